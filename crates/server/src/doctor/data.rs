//! The folder, the database in it, and its copies.

use super::line::Line;
use crate::state::DATABASE;
use rustix::fs::{Access, access, statvfs};
use std::path::Path;
use std::time::{Duration, SystemTime};
use yoke_store::{LOST, NEWEST, SheetRow, VerifiedCopy};

/// Less left on the disk is said. House value: a copy a day for a fortnight of a shop with photographs.
const TIGHT: u64 = 500 * 1024 * 1024;
/// A copy is made every day the server runs: one older is worth a look.
const OLD: Duration = Duration::from_hours(72);

fn size(bytes: u64) -> String {
    match bytes as f64 {
        small if small < 1e6 => format!("{:.0} kB", small / 1e3),
        middling if middling < 1e9 => format!("{:.1} MB", middling / 1e6),
        large => format!("{:.1} GB", large / 1e9),
    }
}

/// Whether others than the owner of a file may do something with it: bits as chmod has them.
pub fn others_may(path: &Path, bits: u32) -> bool {
    #[cfg(unix)]
    let may = std::fs::metadata(path).is_ok_and(|m| std::os::unix::fs::PermissionsExt::mode(&m.permissions()) & bits != 0);
    #[cfg(not(unix))]
    let may = false;
    may
}

/// Where data lies, and whether it can be written there.
pub fn folder(folder: &Path) -> Line {
    const ABOUT: &str = "Data folder";
    let at = folder.display();
    if !folder.exists() {
        return Line::note(ABOUT, format!("{at} is not there yet: the first start makes it"));
    }
    if !folder.is_dir() {
        return Line::wrong(ABOUT, format!("{at} is no folder: move it away, or give another with --data"));
    }
    if access(folder, Access::WRITE_OK | Access::EXEC_OK).is_err() {
        return Line::wrong(ABOUT, format!("{at} may not be written by this user: give it back with chown, or give another with --data"));
    }
    if others_may(folder, 0o022) {
        return Line::wrong(ABOUT, format!("{at} may be written by others: chmod go-w \u{201c}{at}\u{201d}"));
    }
    let left = statvfs(folder).map_or(u64::MAX, |s| s.f_bavail.saturating_mul(s.f_frsize));
    if left < TIGHT {
        return Line::wrong(ABOUT, format!("{at}: only {} are left on its disk, and a pass that cannot be written is not recorded", size(left)));
    }
    Line::right(ABOUT, format!("{at}, {} left on its disk", size(left)))
}

/// The database: sound, of which version, and whether all of it reads; and the sheets in it. Looked through as a copy, made where copies are
/// made for a moment.
pub fn database(folder: &Path) -> (Vec<Line>, Vec<SheetRow>) {
    const ABOUT: &str = "Database";
    let at = folder.join(DATABASE);
    if !at.exists() {
        let beside = std::fs::read_dir(folder).into_iter().flatten().flatten().any(|e| e.file_name().to_string_lossy().ends_with(".db"));
        let line = if beside || folder.join("copies").exists() {
            Line::wrong(ABOUT, format!("{} is gone, though copies of it lie there: take one in with yoke-turn restore COPY", at.display()))
        } else {
            Line::note(ABOUT, "none yet: the first start makes it")
        };
        return (vec![line], Vec::new());
    }
    let looked = tempfile::tempdir().map_err(|e| e.to_string()).and_then(|scratch| {
        let (copy, version) = VerifiedCopy::of(&at, scratch.path()).map_err(|e| e.to_string())?;
        let whole = copy.whole().map_err(|e| e.to_string())?;
        Ok((whole, version))
    });
    let (whole, version) = match looked {
        Ok(looked) => looked,
        Err(why) => return (vec![Line::wrong(ABOUT, why)], Vec::new()),
    };
    let acts: usize = whole.jobs.iter().map(|j| j.acts.len()).sum();
    let count = |n: usize, what: &str| format!("{n} {what}{}", if n == 1 { "" } else { "s" });
    let counts = [count(whole.jobs.len(), "job"), count(acts, "act"), count(whole.lathes.len(), "lathe")].join(", ");
    let bytes: u64 = ["", "-wal"].iter().filter_map(|end| std::fs::metadata(folder.join(format!("{DATABASE}{end}"))).ok()).map(|m| m.len()).sum();
    let mut lines = vec![if version == NEWEST {
        Line::right(ABOUT, format!("version {version}, sound; {counts}; {}", size(bytes)))
    } else {
        Line::note(
            ABOUT,
            format!("version {version}, sound; {counts}. The next start brings it to {NEWEST}, tried just now on a copy, and keeps a copy of it as it is"),
        )
    }];
    let sheets = whole.sheets.clone();
    lines.extend(crate::file::unread(whole).into_iter().map(|fault| Line::wrong(ABOUT, format!("{}: {}", fault.pointer, fault.detail))));
    let mut lost = at.into_os_string();
    lost.push(LOST);
    lines.extend(std::fs::read_to_string(Path::new(&lost)).ok().map(|says| Line::wrong(ABOUT, says)));
    (lines, sheets)
}

/// The copies of the days.
pub fn copies(folder: &Path) -> Option<Line> {
    const ABOUT: &str = "Copies";
    if !folder.join(DATABASE).exists() {
        return None;
    }
    let at = folder.join("copies");
    let files: Vec<_> = std::fs::read_dir(&at).into_iter().flatten().flatten().filter(|e| e.path().extension().is_some_and(|x| x == "db")).collect();
    let Some(newest) = files.iter().max_by_key(|e| e.file_name()) else {
        return Some(Line::note(ABOUT, format!("none yet in {}: the server makes one every day it runs", at.display())));
    };
    let bytes: u64 = files.iter().filter_map(|e| e.metadata().ok()).map(|m| m.len()).sum();
    let says = format!("{} in {}, {}, the newest {}", files.len(), at.display(), size(bytes), newest.file_name().to_string_lossy());
    let age = newest.metadata().and_then(|m| m.modified()).ok().and_then(|at| SystemTime::now().duration_since(at).ok());
    Some(if age.is_some_and(|age| age > OLD) {
        Line::note(ABOUT, format!("{says}: none is made while the server does not run"))
    } else {
        Line::right(ABOUT, says)
    })
}
