//! Copies of the whole shop: made with SQLite's own backup, looked through before anything of them is taken in, and taken in without
//! losing or doubling what is here.

use crate::copies::{copy_day, sound_copy, sound_file, unwritten};
use crate::open::has_wal;
use crate::photos::picture_kind;
use crate::schema::{self, APPLICATION, HEADER};
use crate::whole::Whole;
use crate::{Store, StoreError, begin};
use rusqlite::backup::Backup;
use rusqlite::{Connection, OpenFlags};
use std::io::Read;
use std::path::{Path, PathBuf};

/// What a restore took in.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq)]
pub struct TakenIn {
    /// Lathes that were not here.
    pub lathes: usize,
    /// Jobs that were not here.
    pub jobs: usize,
    /// Acts that were not here, of those jobs and of jobs whose acts go on in the copy.
    pub acts: usize,
    /// Photographs that were not here.
    pub photos: usize,
    /// Lathes and jobs that are here and differ: left as they are here.
    pub kept: usize,
}

/// Daily copies kept.
pub const COPIES_KEPT: usize = 14;
/// Columns every table must have, of the newest version.
const TABLES: [(&str, &[&str]); 8] = [
    ("lathes", &["id", "body", "revision", "away"]),
    ("kit", &["id", "body"]),
    (
        "jobs",
        &[
            "id",
            "title",
            "request",
            "revision",
            "created",
            "frozen_plan",
            "frozen_run",
            "frozen_engine",
            "part",
            "mate",
            "batch",
            "place",
            "facts_revision",
            "frozen_facts",
            "away",
        ],
    ),
    ("lines", &["job", "stamp", "body"]),
    ("acts", &["job", "id", "sequence", "body", "happened", "recorded", "source", "seen"]),
    ("photos", &["job", "id", "kind", "taken", "says", "body"]),
    ("sheets", &["owner", "kind", "body", "revision"]),
    ("ticks", &["job", "op", "done", "took"]),
];
/// Text that must read as JSON.
const JSON: [(&str, &str); 9] = [
    ("ticks", "took"),
    ("sheets", "body"),
    ("lathes", "body"),
    ("kit", "body"),
    ("jobs", "request"),
    ("jobs", "frozen_plan"),
    ("jobs", "frozen_run"),
    ("jobs", "frozen_facts"),
    ("acts", "body"),
];

fn refuse(path: &Path, why: impl Into<String>) -> StoreError {
    StoreError::NotACopy { path: path.to_owned(), why: why.into() }
}

impl Store {
    /// Copies everything into a new file; it is whole and on disk when this returns.
    ///
    /// # Errors
    /// A file that is there already, or what SQLite or the disk says.
    pub fn backup(&self, to: &Path) -> Result<(), StoreError> {
        if to.exists() {
            return Err(refuse(to, "it is there already, and is not written over; name another"));
        }
        let unfinished = to.with_extension("unfinished");
        let _ = std::fs::remove_file(&unfinished);
        sound_file(&copied(&self.path, &unfinished)?).map_err(|why| refuse(to, format!("the copy is not sound, so it is not kept: {why}")))?;
        let on_disk = std::fs::File::options().write(true).open(&unfinished).and_then(|f| f.sync_all()).and_then(|()| std::fs::rename(&unfinished, to));
        on_disk.map_err(|e| refuse(to, format!("it cannot be written: {e}")))
    }

    /// Keeps the day's copy in `folder` unless there is one, and of the sound ones made up to that day the newest few: one dated later was
    /// made by a clock that stood wrong then or stands wrong now, and is let be, as is one that is not sound. Gives the copy made now.
    ///
    /// # Errors
    /// What SQLite or the disk says.
    pub fn daily_copy(&self, folder: &Path, day: &str) -> Result<Option<PathBuf>, StoreError> {
        std::fs::create_dir_all(folder).map_err(|e| refuse(folder, format!("the folder cannot be made: {e}")))?;
        let today = folder.join(format!("yoke-turn-{day}.db"));
        let made = if today.exists() { None } else { Some(today) };
        if let Some(to) = &made {
            self.backup(to)?;
        }
        let mut copies: Vec<PathBuf> = std::fs::read_dir(folder).map_err(|e| refuse(folder, e.to_string()))?.filter_map(|e| e.ok().map(|e| e.path())).collect();
        copies.retain(|p| copy_day(p).is_some_and(|d| d.as_str() <= day));
        // Named by the day, they sort by it.
        copies.sort();
        if made.is_some() && copies.len() > COPIES_KEPT {
            let sound = copies.iter().rev().filter(|p| sound_copy(p));
            for old in sound.skip(COPIES_KEPT) {
                let _ = std::fs::remove_file(old);
            }
        }
        Ok(made)
    }

    /// A copy of what is here before something is taken in, under a name that is free.
    ///
    /// # Errors
    /// What SQLite or the disk says.
    pub fn before_restore(&self, folder: &Path) -> Result<PathBuf, StoreError> {
        let names = std::iter::once("before-restore.db".to_owned()).chain((2..).map(|n| format!("before-restore-{n}.db")));
        let to = names.map(|n| folder.join(n)).find(|p| !p.exists()).unwrap_or_else(|| folder.join("before-restore.db"));
        self.backup(&to)?;
        Ok(to)
    }

    /// Takes in everything of a copy that is not here yet. What is here stays as it is; a job whose acts here are the beginning of
    /// those in the copy goes on with the rest of them. All of it or, on any fault, nothing.
    ///
    /// # Errors
    /// What SQLite says.
    pub fn restore(&self, copy: &VerifiedCopy) -> Result<TakenIn, StoreError> {
        let mut connection = self.lock();
        connection.execute("ATTACH DATABASE ?1 AS taken", [copy.path.to_string_lossy().as_ref()])?;
        let taken = take_in(&mut connection);
        connection.execute("DETACH DATABASE taken", [])?;
        taken
    }
}

/// Copies a database as it stands. Through a connection of its own and in one step: acts are recorded meanwhile, and do not make it begin again.
fn copied(from: &Path, to: &Path) -> rusqlite::Result<Connection> {
    // With nothing beside it nobody writes to it, and a connection that leaves nothing there either will do.
    let source = if has_wal(from) { Connection::open_with_flags(from, OpenFlags::SQLITE_OPEN_READ_ONLY) } else { unwritten(from) }?;
    let mut copy = Connection::open(to)?;
    Backup::new(&source, &mut copy)?.step(-1)?;
    // One file, with nothing beside it.
    copy.pragma_update(None, "journal_mode", "DELETE")?;
    Ok(copy)
}

/// A copy of the file to be restored, looked through and brought up to date; gone when dropped.
#[derive(Debug)]
pub struct VerifiedCopy {
    path: PathBuf,
}

impl Drop for VerifiedCopy {
    fn drop(&mut self) {
        for ending in ["", "-wal", "-shm"] {
            let mut name = self.path.clone().into_os_string();
            name.push(ending);
            let _ = std::fs::remove_file(PathBuf::from(name));
        }
    }
}

impl VerifiedCopy {
    /// Looks a file through: header, damage, version, nothing in it but this program's tables, every body JSON, every row's owner there.
    ///
    /// # Errors
    /// [`StoreError::NotACopy`] with what is wrong with the file and where.
    pub fn through(from: &Path, scratch: &Path) -> Result<Self, StoreError> {
        let mut head = [0; 16];
        let read = std::fs::File::open(from).and_then(|mut f| f.read(&mut head)).map_err(|e| refuse(from, format!("it cannot be read: {e}")))?;
        if &head[..read] != HEADER {
            return Err(refuse(from, "it is not a copy made by backup: it does not begin like a database"));
        }
        let copy = Self::at(scratch);
        std::fs::copy(from, &copy.path).map_err(|e| refuse(&copy.path, format!("it cannot be written: {e}")))?;
        copy.look_through(from)?;
        Ok(copy)
    }

    /// A copy of a database as it stands, served or not, looked through the same: what bringing it up to date would come to. Gives the
    /// version it is of too. The database is only read.
    ///
    /// # Errors
    /// [`StoreError::NotACopy`] with what is wrong with it and where, else what SQLite says.
    pub fn of(database: &Path, scratch: &Path) -> Result<(Self, usize), StoreError> {
        let copy = Self::at(scratch);
        copied(database, &copy.path)?;
        let version = copy.look_through(database)?;
        Ok((copy, version))
    }

    /// Looked through as a copy, so that the file itself is never written to.
    fn at(scratch: &Path) -> Self {
        let path = scratch.join("restoring.db");
        drop(Self { path: path.clone() });
        Self { path }
    }

    /// Looks it through and brings it up to date; the version it was of.
    fn look_through(&self, from: &Path) -> Result<usize, StoreError> {
        let damaged = |e: rusqlite::Error| refuse(from, format!("it is damaged: {e}"));
        let mut connection = Connection::open_with_flags(&self.path, OpenFlags::SQLITE_OPEN_READ_WRITE).map_err(damaged)?;
        connection.pragma_update(None, "trusted_schema", false).map_err(damaged)?;
        let whole: String = connection.query_row("PRAGMA integrity_check", [], |r| r.get(0)).map_err(damaged)?;
        if whole != "ok" {
            return Err(refuse(from, format!("it is damaged: {}", whole.lines().next().unwrap_or_default())));
        }
        let version: u32 = connection.query_row("PRAGMA user_version", [], |r| r.get(0)).map_err(damaged)?;
        let application: i32 = connection.query_row("PRAGMA application_id", [], |r| r.get(0)).map_err(damaged)?;
        if application != 0 && application != APPLICATION {
            return Err(refuse(from, "it is a database, but of another program"));
        }
        if version == 0 {
            return Err(refuse(from, "it is a database, but not of this program: it bears no version"));
        }
        only_what_is_known(&connection, from)?;
        schema::migrate(&mut connection, from, version as usize)?;
        fields(&connection, from)?;
        Ok(version as usize)
    }

    /// What is in it, to be read by the same types as what comes by any other way.
    ///
    /// # Errors
    /// What SQLite says.
    pub fn whole(&self) -> Result<Whole, StoreError> {
        Store::open(&self.path)?.whole()
    }
}

/// Nothing but the tables and indexes of this program: a trigger or a view could do anything when it is read.
fn only_what_is_known(connection: &Connection, from: &Path) -> Result<(), StoreError> {
    let mut query = connection.prepare("SELECT type, name FROM sqlite_master WHERE name NOT LIKE 'sqlite_%'")?;
    let rows = query.query_map([], |r| Ok((r.get::<_, String>(0)?, r.get::<_, String>(1)?)))?;
    for row in rows {
        let (kind, name) = row?;
        let known = match kind.as_str() {
            "table" => TABLES.iter().any(|(t, _)| *t == name),
            "index" => matches!(name.as_str(), "jobs_of_part" | "jobs_of_batch"),
            _ => false,
        };
        if !known {
            return Err(refuse(from, format!("it holds a {kind} “{name}” that is none of this program's")));
        }
    }
    Ok(())
}

/// Every table with its columns, every body JSON, every act and photograph of a job that is there.
fn fields(connection: &Connection, from: &Path) -> Result<(), StoreError> {
    for (table, columns) in TABLES {
        for column in columns {
            let found: bool = connection.query_row("SELECT EXISTS (SELECT 1 FROM pragma_table_info(?1) WHERE name = ?2)", [table, column], |r| r.get(0))?;
            if !found {
                return Err(refuse(from, format!("its table “{table}” has no column “{column}”")));
            }
        }
    }
    for (table, column) in JSON {
        let sql = format!("SELECT rowid FROM {table} WHERE {column} IS NOT NULL AND json_valid({column}) = 0 LIMIT 1");
        let mut query = connection.prepare(&sql)?;
        let mut rows = query.query([])?;
        if let Some(row) = rows.next()? {
            return Err(refuse(from, format!("row {} of “{table}” has a {column} that is not JSON", row.get::<_, i64>(0)?)));
        }
    }
    let mut query = connection.prepare("SELECT rowid, kind, substr(body, 1, 16), length(id), length(says) FROM photos")?;
    let mut rows = query.query([])?;
    while let Some(row) = rows.next()? {
        let (at, kind, head): (i64, String, Vec<u8>) = (row.get(0)?, row.get(1)?, row.get(2)?);
        let (id, says): (i64, i64) = (row.get(3)?, row.get(4)?);
        if picture_kind(&head) != Some(kind.as_str()) {
            return Err(refuse(from, format!("row {at} of \u{201c}photos\u{201d} is no JPEG or PNG picture, or not the one it says it is")));
        }
        if !(1..=64).contains(&id) || says > 400 {
            return Err(refuse(from, format!("row {at} of \u{201c}photos\u{201d} has an id or a text that is too long")));
        }
    }
    let mut query = connection.prepare("PRAGMA foreign_key_check")?;
    let mut rows = query.query([])?;
    if let Some(row) = rows.next()? {
        let (table, to): (String, String) = (row.get(0)?, row.get(2)?);
        return Err(refuse(from, format!("a row of “{table}” belongs to one of “{to}” that is not there")));
    }
    Ok(())
}

fn take_in(connection: &mut Connection) -> Result<TakenIn, StoreError> {
    let transaction = begin(connection)?;
    let count = |sql: &str| transaction.query_row(sql, [], |r| r.get::<_, u32>(0)).map(|n| n as usize);
    let kept = count("SELECT count(*) FROM taken.lathes t JOIN main.lathes m USING (id) WHERE t.body <> m.body")?
        + count("SELECT count(*) FROM taken.jobs t JOIN main.jobs m USING (id) WHERE t.request <> m.request OR t.title <> m.title")?;
    let lathes = transaction.execute("INSERT OR IGNORE INTO main.lathes SELECT id, body, revision, away FROM taken.lathes ORDER BY rowid", [])?;
    transaction.execute("INSERT OR IGNORE INTO main.kit SELECT id, body FROM taken.kit", [])?;
    // Jobs whose acts here are the beginning of those in the copy, or that are not here at all.
    transaction.execute(
        "CREATE TEMP TABLE go_on AS SELECT t.id FROM taken.jobs t WHERE NOT EXISTS (
             SELECT 1 FROM main.acts a WHERE a.job = t.id AND NOT EXISTS (
                 SELECT 1 FROM taken.acts b WHERE b.job = a.job AND b.sequence = a.sequence AND b.id = a.id AND b.body = a.body))",
        [],
    )?;
    // A mate, or a batch's first, may come after the job that names it, so those are told once all are here.
    let jobs = transaction.execute(
        "INSERT OR IGNORE INTO main.jobs (id, title, request, revision, created, frozen_plan, frozen_run, frozen_engine, part, place, facts_revision,
                 frozen_facts, away)
             SELECT id, title, request, revision, created, frozen_plan, frozen_run, frozen_engine, part, place, facts_revision, frozen_facts, away
             FROM taken.jobs ORDER BY rowid",
        [],
    )?;
    transaction.execute(
        "UPDATE main.jobs SET mate = (SELECT t.mate FROM taken.jobs t WHERE t.id = main.jobs.id)
             WHERE mate IS NULL AND id IN (SELECT id FROM taken.jobs WHERE mate IS NOT NULL)",
        [],
    )?;
    transaction.execute(
        "UPDATE main.jobs SET (batch, place) = (SELECT t.batch, t.place FROM taken.jobs t WHERE t.id = main.jobs.id)
             WHERE batch IS NULL AND id IN (SELECT id FROM taken.jobs WHERE batch IS NOT NULL)",
        [],
    )?;
    transaction.execute("INSERT OR IGNORE INTO main.sheets SELECT owner, kind, body, revision FROM taken.sheets", [])?;
    transaction.execute("INSERT OR IGNORE INTO main.ticks SELECT job, op, done, took FROM taken.ticks", [])?;
    transaction.execute(
        "UPDATE main.jobs SET (frozen_plan, frozen_run, frozen_engine, frozen_facts, facts_revision, revision) =
             (SELECT t.frozen_plan, t.frozen_run, t.frozen_engine, t.frozen_facts, main.jobs.revision + 1, main.jobs.revision + 1
                  FROM taken.jobs t WHERE t.id = main.jobs.id)
             WHERE frozen_plan IS NULL AND id IN (SELECT id FROM temp.go_on) AND id IN (SELECT id FROM taken.jobs WHERE frozen_plan IS NOT NULL)",
        [],
    )?;
    let acts = transaction.execute(
        "INSERT OR IGNORE INTO main.acts SELECT job, id, sequence, body, happened, recorded, source, seen FROM taken.acts
             WHERE job IN (SELECT id FROM temp.go_on) ORDER BY job, sequence",
        [],
    )?;
    let photos = transaction.execute("INSERT OR IGNORE INTO main.photos SELECT job, id, kind, taken, says, body FROM taken.photos ORDER BY rowid", [])?;
    transaction.execute("DROP TABLE temp.go_on", [])?;
    transaction.commit()?;
    Ok(TakenIn { lathes, jobs, acts, photos, kept })
}
