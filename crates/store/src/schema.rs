//! The tables, and how an older database is brought up to date.

use crate::StoreError;
use rusqlite::Connection;
use rusqlite_migration::{M, Migrations};
use std::path::Path;

/// Marks the file as this program's: "YOKE".
pub(crate) const APPLICATION: i32 = 0x594F_4B45;
/// How every SQLite file begins.
pub(crate) const HEADER: &[u8] = b"SQLite format 3\0";

/// One entry a version; never edited once released, only added to.
const STEPS: [&str; 7] = [
    "
CREATE TABLE lathes (id TEXT PRIMARY KEY, body TEXT NOT NULL) STRICT;
CREATE TABLE kit (id INTEGER PRIMARY KEY CHECK (id = 1), body TEXT NOT NULL) STRICT;
CREATE TABLE jobs (
    id TEXT PRIMARY KEY,
    title TEXT NOT NULL,
    request TEXT NOT NULL,
    revision INTEGER NOT NULL,
    created TEXT NOT NULL,
    frozen_plan TEXT,
    frozen_run TEXT,
    frozen_engine TEXT
) STRICT;
CREATE TABLE acts (
    job TEXT NOT NULL REFERENCES jobs (id),
    id TEXT NOT NULL,
    sequence INTEGER NOT NULL,
    body TEXT NOT NULL,
    happened TEXT NOT NULL,
    recorded TEXT NOT NULL,
    source TEXT NOT NULL,
    seen INTEGER NOT NULL,
    PRIMARY KEY (job, id),
    UNIQUE (job, sequence)
) STRICT;
",
    // A part carries several threads; a pair is two of them that mate.
    "
ALTER TABLE jobs ADD COLUMN part TEXT;
ALTER TABLE jobs ADD COLUMN mate TEXT REFERENCES jobs (id);
CREATE INDEX jobs_of_part ON jobs (part);
",
    // A lathe is changed under a revision, and one put away can be brought back: jobs may still stand on it.
    "
ALTER TABLE lathes ADD COLUMN revision INTEGER NOT NULL DEFAULT 1;
ALTER TABLE lathes ADD COLUMN away TEXT;
",
    // A job keeps its photographs.
    "
CREATE TABLE photos (
    job TEXT NOT NULL REFERENCES jobs (id),
    id TEXT NOT NULL,
    kind TEXT NOT NULL,
    taken TEXT NOT NULL,
    says TEXT NOT NULL,
    body BLOB NOT NULL,
    PRIMARY KEY (job, id)
) STRICT;
",
    // A job may be one of a batch; routes, batches and the day's order are sheets of their own; what is done of a route is ticked.
    "
ALTER TABLE jobs ADD COLUMN batch TEXT REFERENCES jobs (id);
ALTER TABLE jobs ADD COLUMN place INTEGER;
CREATE INDEX jobs_of_batch ON jobs (batch);
CREATE TABLE sheets (
    owner TEXT NOT NULL,
    kind TEXT NOT NULL,
    body TEXT NOT NULL,
    revision INTEGER NOT NULL,
    PRIMARY KEY (owner, kind)
) STRICT;
CREATE TABLE ticks (
    job TEXT NOT NULL REFERENCES jobs (id),
    op TEXT NOT NULL,
    done TEXT NOT NULL,
    PRIMARY KEY (job, op)
) STRICT;
",
    // A plan is frozen around the facts it was reckoned from, as they then stood; which revision that is, acts are held against. A job may be
    // put away. What the board shows of a job is kept until it moves on.
    "
ALTER TABLE jobs ADD COLUMN facts_revision INTEGER NOT NULL DEFAULT 1;
UPDATE jobs SET facts_revision = revision;
ALTER TABLE jobs ADD COLUMN frozen_facts TEXT;
ALTER TABLE jobs ADD COLUMN away TEXT;
CREATE TABLE lines (
    job TEXT PRIMARY KEY REFERENCES jobs (id),
    stamp TEXT NOT NULL,
    body TEXT NOT NULL
) STRICT;
",
    // What an operation took, beside what was reckoned, is kept with its tick.
    "
ALTER TABLE ticks ADD COLUMN took TEXT;
",
];

/// Brings the database up to date; a copy named after its old version is kept beside it first.
pub(crate) fn bring_up_to_date(connection: &mut Connection, path: &Path) -> Result<(), StoreError> {
    let found: u32 = connection.query_row("PRAGMA user_version", [], |r| r.get(0))?;
    let found = found as usize;
    if found > 0 && found < STEPS.len() {
        let copy = path.with_extension(format!("before-v{}.db", STEPS.len()));
        connection.backup("main", copy, None)?;
    }
    migrate(connection, path, found)
}

/// The newest version known.
pub const NEWEST: usize = STEPS.len();

/// Takes it from the version found to the newest.
pub(crate) fn migrate(connection: &mut Connection, path: &Path, found: usize) -> Result<(), StoreError> {
    if found > STEPS.len() {
        return Err(StoreError::Newer { path: path.to_owned(), found, known: STEPS.len() });
    }
    Migrations::new(STEPS.iter().map(|s| M::up(s)).collect()).to_latest(connection)?;
    Ok(())
}
