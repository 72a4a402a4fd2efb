//! What the board shows, kept with each job until it moves on.

use crate::{Store, StoreError, begin};

/// A job as the board asks for it: none of its plan.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct BoardRow {
    /// Stable name.
    pub id: String,
    /// Revision of its facts.
    pub revision: i64,
    /// Revision of all its plan hangs on: its lathe, the drawer, its mate too.
    pub facts_revision: i64,
    /// Acts recorded.
    pub sequence: i64,
    /// When it was put away, UTC.
    pub away: Option<String>,
    /// What is kept to be shown: its stamp and the line, JSON.
    pub line: Option<(String, String)>,
}

impl Store {
    /// Every job, newest first, with the line kept of it.
    ///
    /// # Errors
    /// What SQLite says.
    pub fn board(&self) -> Result<Vec<BoardRow>, StoreError> {
        let connection = self.lock();
        let mut query = connection.prepare_cached(
            "SELECT j.id, j.revision, j.facts_revision, (SELECT count(*) FROM acts a WHERE a.job = j.id), j.away, l.stamp, l.body
                 FROM jobs j LEFT JOIN lines l ON l.job = j.id ORDER BY j.created DESC, j.rowid DESC",
        )?;
        let rows = query.query_map([], |r| {
            let line = match (r.get(5)?, r.get(6)?) {
                (Some(stamp), Some(body)) => Some((stamp, body)),
                _ => None,
            };
            Ok(BoardRow { id: r.get(0)?, revision: r.get(1)?, facts_revision: r.get(2)?, sequence: r.get(3)?, away: r.get(4)?, line })
        })?;
        Ok(rows.collect::<Result<_, _>>()?)
    }

    /// Keeps lines made anew: job, stamp and line.
    ///
    /// # Errors
    /// What SQLite says.
    pub fn keep_lines(&self, lines: &[(String, String, String)]) -> Result<(), StoreError> {
        if lines.is_empty() {
            return Ok(());
        }
        let mut connection = self.lock();
        let transaction = begin(&mut connection)?;
        for (job, stamp, body) in lines {
            transaction.execute("INSERT OR REPLACE INTO lines (job, stamp, body) VALUES (?1, ?2, ?3)", [job, stamp, body])?;
        }
        transaction.commit()?;
        Ok(())
    }
}
