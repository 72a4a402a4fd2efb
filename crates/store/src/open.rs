//! Opening the database: looked at before anything is written, and left as it was where it will not do.

use crate::copies::{newest_sound, sound_file, unwritten};
use crate::schema::{self, APPLICATION, HEADER};
use crate::{Store, StoreError};
use rusqlite::config::DbConfig;
use rusqlite::{Connection, OpenFlags};
use std::path::{Path, PathBuf};
use std::sync::Mutex;

impl Store {
    /// Opens the database at `path`, or makes it where there is none; an older one is copied beside itself before it is brought up to date.
    ///
    /// # Errors
    /// [`StoreError::Newer`] for a database of a newer program; [`StoreError::Unfit`] for a file that is foreign, damaged, empty or not to
    /// be written, and for none where copies of one lie beside it; else what SQLite says. The file is as it was.
    pub fn open(path: &Path) -> Result<Self, StoreError> {
        if !look(path)? && newest_sound(path).is_some() {
            return Err(unfit(path, "is gone, though copies of it are kept beside it".into()));
        }
        let lost = path.exists() && beside(path, OPEN).exists() && !has_wal(path);
        let mut store = Self::open_or_make(path)?;
        store.lost = lost;
        Ok(store)
    }

    /// The same, making a new one even where copies lie beside it: to be taken in at once.
    ///
    /// # Errors
    /// As [`Store::open`].
    pub fn open_to_restore(path: &Path) -> Result<Self, StoreError> {
        look(path)?;
        Self::open_or_make(path)
    }

    fn open_or_make(path: &Path) -> Result<Self, StoreError> {
        let mut connection = Connection::open(path)?;
        connection.pragma_update(None, "journal_mode", "WAL")?;
        connection.pragma_update(None, "synchronous", "FULL")?;
        connection.pragma_update(None, "foreign_keys", true)?;
        connection.busy_timeout(std::time::Duration::from_secs(5))?;
        schema::bring_up_to_date(&mut connection, path)?;
        let marked: i32 = connection.query_row("PRAGMA application_id", [], |r| r.get(0))?;
        if marked != APPLICATION {
            connection.pragma_update(None, "application_id", APPLICATION)?;
        }
        let path = std::path::absolute(path).unwrap_or_else(|_| path.to_owned());
        let file = identity(&path);
        Ok(Self { connection: Mutex::new(connection), path, file, lost: false, served: false })
    }

    /// Marks the database as one that is served, so that it is seen when what was written last, in its -wal file, is gone after a server that
    /// did not end as it should; what is to be said where it is.
    ///
    /// # Errors
    /// What SQLite says.
    pub fn serve(&mut self) -> Result<Option<String>, StoreError> {
        {
            // From here on there is a -wal file until the database is closed.
            let connection = self.lock();
            let version: i64 = connection.query_row("PRAGMA user_version", [], |r| r.get(0))?;
            connection.pragma_update(None, "user_version", version)?;
        }
        self.served =
            std::fs::write(beside(&self.path, OPEN), "There while the database is served, and after a server that did not end as it should.\n").is_ok();
        if self.lost {
            let says = format!(
                "The database {} was not closed when the server last ended, and what was written to it last, in its -wal file, is gone: passes told last may be missing. \
                 Look at the log of every job that was in the cut, and tell where the dial stands, before going on with it; if the file is found, stop this server and put it back.",
                self.path.display()
            );
            // Should it not be written, it is said at this start alone.
            let _ = std::fs::write(beside(&self.path, LOST), says);
        }
        Ok(self.says_lost())
    }

    /// What is to be said of what was lost, until it was read.
    #[must_use]
    pub fn says_lost(&self) -> Option<String> {
        std::fs::read_to_string(beside(&self.path, LOST)).ok()
    }

    /// What was lost was read of, and is said no more.
    ///
    /// # Errors
    /// What the disk says.
    pub fn lost_is_read(&self) -> Result<(), StoreError> {
        let at = beside(&self.path, LOST);
        match std::fs::remove_file(&at) {
            Err(e) if e.kind() != std::io::ErrorKind::NotFound => Err(unfit(&at, format!("cannot be taken away: {e}"))),
            _ => Ok(()),
        }
    }

    /// Whether the file written to is still the one at its path: a folder moved or taken away under the server takes what is written with it.
    ///
    /// # Errors
    /// [`StoreError::Gone`] when it is not.
    pub fn in_place(&self) -> Result<(), StoreError> {
        let now = identity(&self.path);
        if now.is_some() && now == self.file { Ok(()) } else { Err(StoreError::Gone { path: self.path.clone() }) }
    }
}

impl Drop for Store {
    /// What closes the database puts all of it into the file itself. One taken away meanwhile leaves its mark as it is.
    fn drop(&mut self) {
        if self.served && self.in_place().is_ok() {
            let _ = std::fs::remove_file(beside(&self.path, OPEN));
        }
    }
}

/// Lies beside a database that is served.
pub const OPEN: &str = "-open";
/// Lies beside a database whose last writes were lost, until that was read.
pub const LOST: &str = "-lost";

/// The file beside a database whose name ends so.
fn beside(path: &Path, ending: &str) -> PathBuf {
    let mut name = path.as_os_str().to_owned();
    name.push(ending);
    PathBuf::from(name)
}

/// Whether anything written last lies beside a database.
pub(crate) fn has_wal(path: &Path) -> bool {
    beside(path, "-wal").metadata().is_ok_and(|m| m.len() > 0)
}

/// What tells one file from another that lies at the same path later.
#[cfg(unix)]
pub(crate) fn identity(path: &Path) -> Option<(u64, u64)> {
    use std::os::unix::fs::MetadataExt;
    std::fs::metadata(path).ok().map(|m| (m.dev(), m.ino()))
}

/// What tells one file from another; here, that it is there at all.
#[cfg(not(unix))]
pub(crate) fn identity(path: &Path) -> Option<(u64, u64)> {
    path.exists().then_some((0, 0))
}

fn unfit(path: &Path, why: String) -> StoreError {
    let folder = path.parent().unwrap_or(Path::new("."));
    let way = match newest_sound(path) {
        Some(copy) if path.exists() => format!(
            "The newest sound copy is {copy}. Move the file aside, then: yoke-turn restore \u{201c}{copy}\u{201d} --data \u{201c}{folder}\u{201d}",
            copy = copy.display(),
            folder = folder.display()
        ),
        Some(copy) => format!(
            "The newest sound copy is {copy}. Take it with: yoke-turn restore \u{201c}{copy}\u{201d} --data \u{201c}{folder}\u{201d}; or move the copies away to begin a new shop",
            copy = copy.display(),
            folder = folder.display()
        ),
        None => "There is no sound copy beside it. Use another --data folder, or move the file aside to begin a new shop".to_owned(),
    };
    StoreError::Unfit { path: path.to_owned(), why, way }
}

/// Looks a file through without writing to it; false when there is none yet.
fn look(path: &Path) -> Result<bool, StoreError> {
    let wal = has_wal(path);
    let Ok(about) = std::fs::metadata(path) else {
        return if wal { Err(unfit(path, "is gone, and only what was last written to it is left (its -wal file)".into())) } else { Ok(false) };
    };
    if about.is_dir() {
        return Err(unfit(path, "is a folder".into()));
    }
    if about.len() == 0 && !wal {
        return Err(unfit(path, "is empty: everything in it is gone".into()));
    }
    let mut head = [0; 16];
    let read = std::fs::File::open(path).and_then(|mut f| std::io::Read::read(&mut f, &mut head));
    match read {
        Err(e) => return Err(unfit(path, format!("cannot be read: {e}"))),
        Ok(n) if about.len() > 0 && &head[..n] != HEADER => return Err(unfit(path, "is not a database: it does not begin like one".into())),
        Ok(_) => {}
    }
    if about.permissions().readonly() || std::fs::OpenOptions::new().append(true).open(path).is_err() {
        return Err(unfit(path, "may be read but not written".into()));
    }
    let damaged = |e: rusqlite::Error| unfit(path, format!("is damaged: {e}"));
    let connection = if wal {
        // What was last written is in the file beside it: it is read with it, and left there.
        let connection = Connection::open_with_flags(path, OpenFlags::SQLITE_OPEN_READ_WRITE).map_err(damaged)?;
        connection.set_db_config(DbConfig::SQLITE_DBCONFIG_NO_CKPT_ON_CLOSE, true).map_err(damaged)?;
        connection
    } else {
        unwritten(path).map_err(damaged)?
    };
    let pragma = |name: &str| connection.query_row(&format!("PRAGMA {name}"), [], |r| r.get::<_, i64>(0)).map_err(damaged);
    let (application, version) = (pragma("application_id")?, pragma("user_version")?);
    let tables: i64 = connection.query_row("SELECT count(*) FROM sqlite_master", [], |r| r.get(0)).map_err(damaged)?;
    let ours: bool =
        connection.query_row("SELECT count(*) = 2 FROM sqlite_master WHERE type = 'table' AND name IN ('jobs', 'acts')", [], |r| r.get(0)).map_err(damaged)?;
    if application != i64::from(APPLICATION) && (application != 0 || tables > 0 && !(version > 0 && ours)) {
        return Err(unfit(path, "is a database of another program".into()));
    }
    let version = usize::try_from(version).unwrap_or(usize::MAX);
    if version > schema::NEWEST {
        return Err(StoreError::Newer { path: path.to_owned(), found: version, known: schema::NEWEST });
    }
    if tables == 0 {
        // One begun and cut off before its first table; with copies beside it, one that was emptied.
        return Ok(false);
    }
    if let Err(why) = sound_file(&connection) {
        return Err(unfit(path, format!("is damaged: {why}")));
    }
    Ok(true)
}
