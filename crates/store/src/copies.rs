//! Copies kept beside the database: which there are, and which are sound.

use rusqlite::{Connection, OpenFlags};
use std::path::{Path, PathBuf};

/// Whether SQLite finds a database sound.
pub(crate) fn sound_file(connection: &Connection) -> Result<(), String> {
    let answer: String = connection.query_row("PRAGMA quick_check(1)", [], |r| r.get(0)).map_err(|e| e.to_string())?;
    if answer == "ok" { Ok(()) } else { Err(answer.lines().last().unwrap_or_default().to_owned()) }
}

/// Opens a file so that nothing at all is written, beside it either.
pub(crate) fn unwritten(path: &Path) -> rusqlite::Result<Connection> {
    let name = format!("file:{}?immutable=1", path.to_string_lossy().replace('%', "%25").replace('?', "%3f").replace('#', "%23"));
    Connection::open_with_flags(name, OpenFlags::SQLITE_OPEN_READ_ONLY | OpenFlags::SQLITE_OPEN_URI)
}

/// The day a daily copy is of, by its name.
pub(crate) fn copy_day(copy: &Path) -> Option<String> {
    Some(copy.file_name()?.to_str()?.strip_prefix("yoke-turn-")?.strip_suffix(".db")?.to_owned())
}

/// Whether a copy could be taken in: a database that holds jobs, and sound.
pub(crate) fn sound_copy(copy: &Path) -> bool {
    unwritten(copy).is_ok_and(|c| c.query_row("SELECT count(*) FROM jobs", [], |r| r.get::<_, i64>(0)).is_ok() && sound_file(&c).is_ok())
}

/// The newest sound copy kept beside a database: of the days, or made before something was done to it.
pub(crate) fn newest_sound(database: &Path) -> Option<PathBuf> {
    let folder = database.parent()?;
    let stem = database.file_stem()?.to_str()?;
    let of = |folder: &Path| std::fs::read_dir(folder).into_iter().flatten().flatten().map(|e| e.path()).collect::<Vec<_>>();
    let beside = of(folder).into_iter().filter(|p| {
        let name = p.file_name().and_then(|n| n.to_str()).unwrap_or_default();
        p != database && name.ends_with(".db") && (name.starts_with("before-restore") || name.starts_with(&format!("{stem}.before-")))
    });
    let mut copies: Vec<(std::time::SystemTime, PathBuf)> = of(&folder.join("copies"))
        .into_iter()
        .filter(|p| copy_day(p).is_some())
        .chain(beside)
        .filter_map(|p| Some((std::fs::metadata(&p).and_then(|m| m.modified()).ok()?, p)))
        .collect();
    copies.sort();
    copies.into_iter().rev().map(|(_, p)| p).find(|p| sound_copy(p))
}
