//! Photographs of jobs, in the same file as everything else.

use crate::{Store, StoreError, begin};
use rusqlite::{OptionalExtension, params};

/// A photograph as stored, without its picture.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct PhotoRow {
    /// Made by the client.
    pub id: String,
    /// Its media type.
    pub kind: String,
    /// When it was kept, UTC.
    pub taken: String,
    /// What it shows.
    pub says: String,
}

/// What came of keeping a photograph.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Put {
    /// Kept now, or the very same before.
    Done,
    /// The id stands for a different one.
    Different,
    /// The job has as many as it may.
    Full,
    /// There is no such job.
    Missing,
}

/// The kind of picture these bytes are, by how they begin: those that are kept and shown.
#[must_use]
pub fn picture_kind(bytes: &[u8]) -> Option<&'static str> {
    if bytes.starts_with(&[0xFF, 0xD8, 0xFF]) {
        Some("image/jpeg")
    } else if bytes.starts_with(b"\x89PNG\r\n\x1a\n") {
        Some("image/png")
    } else {
        None
    }
}

impl Store {
    /// A job's photographs, in the order they were kept.
    ///
    /// # Errors
    /// What SQLite says.
    pub fn photos(&self, job: &str) -> Result<Vec<PhotoRow>, StoreError> {
        let connection = self.lock();
        let mut query = connection.prepare_cached("SELECT id, kind, taken, says FROM photos WHERE job = ?1 ORDER BY taken, rowid")?;
        let rows = query.query_map([job], |r| Ok(PhotoRow { id: r.get(0)?, kind: r.get(1)?, taken: r.get(2)?, says: r.get(3)? }))?;
        Ok(rows.collect::<Result<_, _>>()?)
    }

    /// A photograph's picture.
    ///
    /// # Errors
    /// What SQLite says.
    pub fn photo(&self, job: &str, id: &str) -> Result<Option<Vec<u8>>, StoreError> {
        let sql = "SELECT body FROM photos WHERE job = ?1 AND id = ?2";
        Ok(self.lock().query_row(sql, [job, id], |r| r.get(0)).optional()?)
    }

    /// Keeps a photograph, at most so many a job. It is on disk when this returns.
    ///
    /// # Errors
    /// What SQLite says.
    pub fn put_photo(&self, job: &str, photo: &PhotoRow, body: &[u8], most: usize) -> Result<Put, StoreError> {
        let mut connection = self.lock();
        let transaction = begin(&mut connection)?;
        let known: bool = transaction.query_row("SELECT EXISTS (SELECT 1 FROM jobs WHERE id = ?1)", [job], |r| r.get(0))?;
        if !known {
            return Ok(Put::Missing);
        }
        let before: Option<Vec<u8>> = transaction.query_row("SELECT body FROM photos WHERE job = ?1 AND id = ?2", [job, &photo.id], |r| r.get(0)).optional()?;
        if let Some(before) = before {
            return Ok(if before == body { Put::Done } else { Put::Different });
        }
        let count: u32 = transaction.query_row("SELECT count(*) FROM photos WHERE job = ?1", [job], |r| r.get(0))?;
        if count as usize >= most {
            return Ok(Put::Full);
        }
        let sql = "INSERT INTO photos (job, id, kind, taken, says, body) VALUES (?1, ?2, ?3, ?4, ?5, ?6)";
        transaction.execute(sql, params![job, photo.id, photo.kind, photo.taken, photo.says, body])?;
        transaction.commit()?;
        Ok(Put::Done)
    }
}
