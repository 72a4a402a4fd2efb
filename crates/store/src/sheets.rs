//! What is kept beside the jobs: routes, batches and the day's order, each a sheet changed under a revision; and what of a route is done.

use crate::{Changed, Store, StoreError, begin, find_job, job_row};
use rusqlite::{OptionalExtension, params};

/// A sheet as stored.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct SheetRow {
    /// What it belongs to: a job, or the shop.
    pub owner: String,
    /// What it is.
    pub kind: String,
    /// JSON.
    pub body: String,
    /// Goes up with every change, from 1.
    pub revision: i64,
}

/// An operation that is done.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct TickRow {
    /// The operation, by its id in the route.
    pub op: String,
    /// When it was ticked, UTC.
    pub done: String,
    /// What it took, JSON, where that was told.
    pub took: Option<String>,
}

/// A part to be added to a batch.
#[derive(Debug, Clone, Copy)]
pub struct NewPart<'a> {
    /// Stable name.
    pub id: &'a str,
    /// Title.
    pub title: &'a str,
    /// The plan request, JSON.
    pub request: &'a str,
    /// When it is made, UTC.
    pub created: &'a str,
    /// Its place in the batch.
    pub place: i64,
    /// The part it belongs to, with its other threads and its mates: the id of that part's first job.
    pub part: Option<&'a str>,
    /// Its mate.
    pub mate: Option<&'a str>,
}

/// Parts to be added to a batch, and what must still hold when they are.
#[derive(Debug, Clone, Copy)]
pub enum NewBatch<'a> {
    /// A batch made of a job that is in none and stands at this revision; what is kept of it, JSON.
    Of {
        /// The job's revision.
        revision: i64,
        /// What its sheet is kept as.
        kind: &'a str,
        /// The sheet.
        body: &'a str,
    },
    /// A piece of a part begun again: its jobs leave their part to those made in their stead.
    Again {
        /// The jobs of the piece, each in the part that stands at its place now.
        jobs: &'a [&'a str],
        /// What the part is called from now on.
        part: Option<&'a str>,
        /// The other pieces of the part, each with its mate from now on.
        others: &'a [(&'a str, Option<&'a str>)],
    },
}

/// What came of adding parts to a batch.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum PartsAdded {
    /// They are there.
    Done,
    /// The job is in a batch by now, or its place was begun again.
    Already,
    /// The job was changed meanwhile.
    Moved,
    /// There is no such job.
    Missing,
}

impl Store {
    /// One sheet, if it was kept.
    ///
    /// # Errors
    /// What SQLite says.
    pub fn sheet(&self, owner: &str, kind: &str) -> Result<Option<SheetRow>, StoreError> {
        let sql = "SELECT owner, kind, body, revision FROM sheets WHERE owner = ?1 AND kind = ?2";
        Ok(self.lock().query_row(sql, [owner, kind], sheet_row).optional()?)
    }

    /// All of one kind.
    ///
    /// # Errors
    /// What SQLite says.
    pub fn sheets_of(&self, kind: &str) -> Result<Vec<SheetRow>, StoreError> {
        let connection = self.lock();
        let mut query = connection.prepare_cached("SELECT owner, kind, body, revision FROM sheets WHERE kind = ?1 ORDER BY owner")?;
        let rows = query.query_map([kind], sheet_row)?;
        Ok(rows.collect::<Result<_, _>>()?)
    }

    /// All of them.
    ///
    /// # Errors
    /// What SQLite says.
    pub fn sheets(&self) -> Result<Vec<SheetRow>, StoreError> {
        let connection = self.lock();
        let mut query = connection.prepare_cached("SELECT owner, kind, body, revision FROM sheets ORDER BY owner, kind")?;
        let rows = query.query_map([], sheet_row)?;
        Ok(rows.collect::<Result<_, _>>()?)
    }

    /// Keeps a sheet if `revision` is still the newest; 0 for one not kept yet.
    ///
    /// # Errors
    /// What SQLite says.
    pub fn put_sheet(&self, owner: &str, kind: &str, revision: i64, body: &str) -> Result<Changed<SheetRow>, StoreError> {
        let mut connection = self.lock();
        let transaction = begin(&mut connection)?;
        let changed = if revision == 0 {
            transaction.execute("INSERT OR IGNORE INTO sheets (owner, kind, body, revision) VALUES (?1, ?2, ?3, 1)", [owner, kind, body])?
        } else {
            let sql = "UPDATE sheets SET body = ?4, revision = revision + 1 WHERE owner = ?1 AND kind = ?2 AND revision = ?3";
            transaction.execute(sql, params![owner, kind, revision, body])?
        };
        let sql = "SELECT owner, kind, body, revision FROM sheets WHERE owner = ?1 AND kind = ?2";
        let Some(row) = transaction.query_row(sql, [owner, kind], sheet_row).optional()? else { return Ok(Changed::Missing) };
        transaction.commit()?;
        Ok(if changed == 1 { Changed::Done(row) } else { Changed::Stale(row) })
    }

    /// Keeps a sheet whatever stood there before, or takes it out.
    ///
    /// # Errors
    /// What SQLite says.
    pub fn set_sheet(&self, owner: &str, kind: &str, body: Option<&str>) -> Result<(), StoreError> {
        let Some(body) = body else { return self.drop_sheet(owner, kind) };
        let sql = "INSERT INTO sheets (owner, kind, body, revision) VALUES (?1, ?2, ?3, 1)
             ON CONFLICT (owner, kind) DO UPDATE SET body = excluded.body, revision = revision + 1";
        self.lock().execute(sql, [owner, kind, body])?;
        Ok(())
    }

    /// Takes a sheet out.
    ///
    /// # Errors
    /// What SQLite says.
    pub fn drop_sheet(&self, owner: &str, kind: &str) -> Result<(), StoreError> {
        self.lock().execute("DELETE FROM sheets WHERE owner = ?1 AND kind = ?2", [owner, kind])?;
        Ok(())
    }

    /// Operations done of a job's route.
    ///
    /// # Errors
    /// What SQLite says.
    pub fn ticks(&self, job: &str) -> Result<Vec<TickRow>, StoreError> {
        let connection = self.lock();
        let mut query = connection.prepare_cached("SELECT op, done, took FROM ticks WHERE job = ?1 ORDER BY op")?;
        let rows = query.query_map([job], |r| Ok(TickRow { op: r.get(0)?, done: r.get(1)?, took: r.get(2)? }))?;
        Ok(rows.collect::<Result<_, _>>()?)
    }

    /// What every operation took that was told so, JSON, the newest first.
    ///
    /// # Errors
    /// What SQLite says.
    pub fn took(&self, most: u32) -> Result<Vec<String>, StoreError> {
        let connection = self.lock();
        let mut query = connection.prepare_cached("SELECT took FROM ticks WHERE took IS NOT NULL ORDER BY done DESC LIMIT ?1")?;
        let rows = query.query_map([most], |r| r.get(0))?;
        Ok(rows.collect::<Result<_, _>>()?)
    }

    /// Ticks an operation of a job's route as done at a time, or takes the tick back; the same again changes only what it took, where that
    /// is told. Gives false when there is no such job.
    ///
    /// # Errors
    /// What SQLite says.
    pub fn tick(&self, job: &str, op: &str, done: Option<(&str, Option<&str>)>) -> Result<bool, StoreError> {
        let connection = self.lock();
        if find_job(&connection, job)?.is_none() {
            return Ok(false);
        }
        match done {
            Some((at, took)) => {
                let sql = "INSERT INTO ticks (job, op, done, took) VALUES (?1, ?2, ?3, ?4)
                     ON CONFLICT (job, op) DO UPDATE SET took = coalesce(excluded.took, took)";
                connection.execute(sql, params![job, op, at, took])?
            }
            None => connection.execute("DELETE FROM ticks WHERE job = ?1 AND op = ?2", [job, op])?,
        };
        Ok(true)
    }

    /// The jobs of one batch, by place, those begun again after those they replace.
    ///
    /// # Errors
    /// What SQLite says.
    pub fn batch(&self, id: &str) -> Result<Vec<crate::JobRow>, StoreError> {
        let connection = self.lock();
        let mut query = connection.prepare_cached(&format!("{} WHERE j.batch = ?1 ORDER BY j.place, j.created, j.rowid", crate::JOB))?;
        let rows = query.query_map([id], job_row)?;
        Ok(rows.collect::<Result<_, _>>()?)
    }

    /// Adds parts to the batch of a job, all or none, with what is kept of a new one; looked at and written in one transaction.
    ///
    /// # Errors
    /// What SQLite says; an id used before is one of them.
    pub fn add_parts(&self, first: &str, of: NewBatch<'_>, parts: &[NewPart<'_>]) -> Result<PartsAdded, StoreError> {
        let mut connection = self.lock();
        let transaction = begin(&mut connection)?;
        let Some(job) = find_job(&transaction, first)? else { return Ok(PartsAdded::Missing) };
        let batch = match (of, job.batch) {
            (NewBatch::Of { .. }, Some(_)) => return Ok(PartsAdded::Already),
            (NewBatch::Of { revision, .. }, None) if revision != job.revision => return Ok(PartsAdded::Moved),
            (NewBatch::Of { kind, body, .. }, None) => {
                // Every thread of the part, and its mates, are in it.
                let sql = "UPDATE jobs SET batch = ?1, place = 1, revision = revision + 1 WHERE id = ?1 OR part = ?2";
                transaction.execute(sql, [&job.id, job.part.as_ref().unwrap_or(&job.id)])?;
                let sql = "INSERT OR REPLACE INTO sheets (owner, kind, body, revision) VALUES (?1, ?2, ?3, 1)";
                transaction.execute(sql, [job.id.as_str(), kind, body])?;
                job.id
            }
            (NewBatch::Again { .. }, None) => return Ok(PartsAdded::Missing),
            (NewBatch::Again { jobs, .. }, Some(batch)) => {
                // The part that stands at this place: that of the job made last there.
                let Some(replaced) = jobs.first().map(|id| find_job(&transaction, id)).transpose()?.flatten() else { return Ok(PartsAdded::Missing) };
                let sql = "SELECT coalesce(part, id) FROM jobs WHERE batch = ?1 AND place = ?2 ORDER BY created DESC, rowid DESC LIMIT 1";
                let stands: Option<String> = transaction.query_row(sql, params![batch, replaced.place], |r| r.get(0)).optional()?;
                if stands.as_ref() != Some(replaced.part.as_ref().unwrap_or(&replaced.id)) {
                    return Ok(PartsAdded::Already);
                }
                batch
            }
        };
        for p in parts {
            let sql = "INSERT INTO jobs (id, title, request, revision, created, batch, place) VALUES (?1, ?2, ?3, 1, ?4, ?5, ?6)";
            transaction.execute(sql, params![p.id, p.title, p.request, p.created, batch, p.place])?;
        }
        // A part, or a mate, may be one made after the job that names it.
        for p in parts.iter().filter(|p| p.part.is_some() || p.mate.is_some()) {
            transaction.execute("UPDATE jobs SET part = ?2, mate = ?3 WHERE id = ?1", params![p.id, p.part, p.mate])?;
        }
        if let NewBatch::Again { jobs, part, others } = of {
            let left = if jobs.len() > 1 { jobs.first().copied() } else { None };
            for id in jobs {
                transaction.execute("UPDATE jobs SET part = ?2, mate = NULL, revision = revision + 1 WHERE id = ?1", params![id, left])?;
            }
            for (id, mate) in others {
                transaction.execute("UPDATE jobs SET part = ?2, mate = ?3, revision = revision + 1 WHERE id = ?1", params![id, part, mate])?;
            }
        }
        transaction.commit()?;
        Ok(PartsAdded::Done)
    }
}

fn sheet_row(row: &rusqlite::Row<'_>) -> rusqlite::Result<SheetRow> {
    Ok(SheetRow { owner: row.get(0)?, kind: row.get(1)?, body: row.get(2)?, revision: row.get(3)? })
}
