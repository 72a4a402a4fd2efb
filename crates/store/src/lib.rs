//! Jobs, lathes and acts kept in SQLite: one file, one writer, nothing acknowledged before it is on
//! disk.
//!
//! Facts are changed under a revision; acts are only ever added. Bodies are JSON as the core reads
//! them; this crate knows nothing of threads.

mod backup;
mod board;
mod copies;
mod open;
mod photos;
mod schema;
mod sheets;
mod whole;

pub use backup::{COPIES_KEPT, TakenIn, VerifiedCopy};
pub use board::BoardRow;
pub use open::{LOST, OPEN};
pub use photos::{PhotoRow, Put, picture_kind};
pub use schema::NEWEST;
pub use sheets::{NewBatch, NewPart, PartsAdded, SheetRow, TickRow};
pub use whole::{Whole, WholeJob};

use rusqlite::{Connection, OptionalExtension, Transaction, TransactionBehavior, params};
use serde::Serialize;
use std::path::PathBuf;
use std::sync::{Mutex, MutexGuard, PoisonError};

/// What can go wrong with the store.
#[derive(Debug, thiserror::Error)]
pub enum StoreError {
    /// SQLite's own complaint.
    #[error("the database: {0}")]
    Sqlite(#[from] rusqlite::Error),
    /// A migration failed.
    #[error("bringing the database up to date: {0}")]
    Migration(#[from] rusqlite_migration::Error),
    /// A file to be restored, or written, that will not do.
    #[error("{}: {why}", path.display())]
    NotACopy {
        /// The file.
        path: std::path::PathBuf,
        /// What is wrong with it, and where.
        why: String,
    },
    /// The file was written by a newer program.
    #[error("{}: it was written by a newer version of this program (its form is {found}, this one knows up to {known}). It is left as it was. Use the newer program, or another --data folder", path.display())]
    Newer {
        /// The file.
        path: std::path::PathBuf,
        /// Its version.
        found: usize,
        /// The newest known.
        known: usize,
    },
    /// A file that will not do as the database; it is left as it was.
    #[error("{}: the database {why}. It is left as it was. {way}.", path.display())]
    Unfit {
        /// The file.
        path: std::path::PathBuf,
        /// What is wrong with it.
        why: String,
        /// What to do now.
        way: String,
    },
    /// The file was moved or taken away while it was open.
    #[error("{} is no longer where it was opened: its folder was moved or taken away, and nothing told now would be kept. Put it back, or stop and start again", path.display())]
    Gone {
        /// Where it was.
        path: std::path::PathBuf,
    },
}

/// A lathe as stored.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct LatheRow {
    /// Stable name.
    pub id: String,
    /// Profile, JSON.
    pub body: String,
    /// Goes up with every change.
    pub revision: i64,
    /// When it was put away, UTC; jobs that stand on it keep it.
    pub away: Option<String>,
}

/// A job as stored.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct JobRow {
    /// Stable name.
    pub id: String,
    /// Title.
    pub title: String,
    /// The plan request, JSON.
    pub request: String,
    /// Goes up with every change of the job, and of what its plan hangs on.
    pub revision: i64,
    /// The revision its plan last changed with, or was frozen at.
    pub facts_revision: i64,
    /// When it was made, UTC.
    pub created: String,
    /// When it was put away, UTC.
    pub away: Option<String>,
    /// The plan frozen at the first pass.
    pub frozen: Option<Frozen>,
    /// Acts recorded so far.
    pub sequence: i64,
    /// The part it belongs to, with others: the id of the part's first job.
    pub part: Option<String>,
    /// The job that cuts its mate.
    pub mate: Option<String>,
    /// The batch it is one of: the id of the batch's first job.
    pub batch: Option<String>,
    /// Its place in the batch, from 1.
    pub place: Option<i64>,
}

/// A job to be added to a part.
#[derive(Debug, Clone, Copy)]
pub struct NewMember<'a> {
    /// Stable name.
    pub id: &'a str,
    /// Title.
    pub title: &'a str,
    /// The plan request, JSON.
    pub request: &'a str,
    /// When it is made, UTC.
    pub created: &'a str,
    /// The revision of the job it joins that it was made from.
    pub revision: i64,
    /// Whether it is the mate of the job it joins.
    pub mates: bool,
    /// New facts of the job it joins, when they change with it.
    pub request_of_first: Option<&'a str>,
}

/// A plan frozen at the first pass.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Frozen {
    /// The whole plan, JSON.
    pub plan: String,
    /// What the run needs of it, JSON.
    pub run: String,
    /// Version of the reckoning.
    pub engine: String,
    /// What it was reckoned from: request, lathe and kit as they then stood, JSON; none in what older programs froze.
    pub facts: Option<String>,
}

/// What an act that begins the cut brings with it.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Begun {
    /// The plan.
    pub frozen: Frozen,
    /// The job's revision it was reckoned from.
    pub revision: i64,
    /// The lathe as it then stands, its gears on it: its id and profile, JSON.
    pub mounted: Option<(String, String)>,
}

/// An act to be recorded, with what it was judged by.
#[derive(Debug, Clone, Copy)]
pub struct NewAct<'a> {
    /// The act.
    pub row: &'a ActRow,
    /// Revision of the facts its sender saw, where told.
    pub revision: Option<i64>,
    /// Acts there were when it was judged.
    pub after: i64,
    /// The plan it begins with, if it may begin one.
    pub begins: Option<&'a Begun>,
    /// Whether what the mate is made to may follow from it.
    pub moves_mate: bool,
}

/// An act as stored.
#[derive(Debug, Clone, PartialEq, Eq, Serialize)]
pub struct ActRow {
    /// Made by the client.
    pub id: String,
    /// Its place among the job's acts, from 1.
    pub sequence: i64,
    /// What was done, JSON.
    pub body: String,
    /// When it happened, as the client says.
    pub happened: String,
    /// When it was recorded, UTC.
    pub recorded: String,
    /// `typed` or the device's name.
    pub source: String,
    /// The sequence the client had seen.
    pub seen: i64,
}

/// What came of a change made from a revision.
#[derive(Debug, Clone, PartialEq, Eq)]
pub enum Changed<T> {
    /// Made; the job or lathe as it now is.
    Done(T),
    /// The revision was not the newest; it as it is.
    Stale(T),
    /// There is no such one.
    Missing,
}

/// What came of an act.
#[derive(Debug, Clone, PartialEq, Eq)]
pub enum Recorded {
    /// Recorded now, or the very same before; the act as stored.
    Done(ActRow),
    /// Its sender saw other facts than the cut was, or would be, begun on.
    Stale,
    /// The job moved on since it was judged: it is to be judged again.
    Moved,
    /// The id stands for a different act.
    Different,
    /// There is no such job.
    Missing,
}

/// The store.
#[derive(Debug)]
pub struct Store {
    connection: Mutex<Connection>,
    path: PathBuf,
    file: Option<(u64, u64)>,
    /// What was written to it last was gone when it was opened.
    lost: bool,
    /// It bears the mark of one that is served.
    served: bool,
}

impl Store {
    /// A panic while the lock was held cannot leave a transaction half done: SQLite rolls it back.
    fn lock(&self) -> MutexGuard<'_, Connection> {
        self.connection.lock().unwrap_or_else(PoisonError::into_inner)
    }

    /// All lathes, in the order they were added; those put away among them.
    ///
    /// # Errors
    /// What SQLite says.
    pub fn lathes(&self) -> Result<Vec<LatheRow>, StoreError> {
        let connection = self.lock();
        let mut query = connection.prepare_cached(&format!("{LATHE} ORDER BY rowid"))?;
        let rows = query.query_map([], lathe_row)?;
        Ok(rows.collect::<Result<_, _>>()?)
    }

    /// One lathe, put away or not.
    ///
    /// # Errors
    /// What SQLite says.
    pub fn lathe(&self, id: &str) -> Result<Option<LatheRow>, StoreError> {
        Ok(find_lathe(&self.lock(), id)?)
    }

    /// Adds a lathe, or replaces it; one put away is back.
    ///
    /// # Errors
    /// What SQLite says.
    pub fn put_lathe(&self, id: &str, body: &str) -> Result<(), StoreError> {
        let sql = "INSERT INTO lathes (id, body) VALUES (?1, ?2) \
             ON CONFLICT (id) DO UPDATE SET body = excluded.body, revision = revision + 1, away = NULL";
        let mut connection = self.lock();
        let transaction = begin(&mut connection)?;
        transaction.execute(sql, [id, body])?;
        facts_moved(&transaction, Hangs::Lathe(id))?;
        transaction.commit()?;
        Ok(())
    }

    /// Adds a lathe under the first of `ids` that is free; gives the one taken, or none when all are used.
    ///
    /// # Errors
    /// What SQLite says.
    pub fn add_lathe(&self, ids: impl Iterator<Item = String>, body: impl Fn(&str) -> String) -> Result<Option<LatheRow>, StoreError> {
        let mut connection = self.lock();
        let transaction = begin(&mut connection)?;
        for id in ids {
            if transaction.execute("INSERT INTO lathes (id, body) VALUES (?1, ?2) ON CONFLICT (id) DO NOTHING", [&id, &body(&id)])? == 1 {
                let row = find_lathe(&transaction, &id)?;
                transaction.commit()?;
                return Ok(row);
            }
        }
        Ok(None)
    }

    /// Changes a lathe if `revision` is still the newest.
    ///
    /// # Errors
    /// What SQLite says.
    pub fn change_lathe(&self, id: &str, revision: i64, body: &str) -> Result<Changed<LatheRow>, StoreError> {
        let mut connection = self.lock();
        let transaction = begin(&mut connection)?;
        let sql = "UPDATE lathes SET body = ?3, revision = revision + 1 WHERE id = ?1 AND revision = ?2";
        let changed = transaction.execute(sql, params![id, revision, body])?;
        if changed == 1 {
            facts_moved(&transaction, Hangs::Lathe(id))?;
        }
        let Some(row) = find_lathe(&transaction, id)? else { return Ok(Changed::Missing) };
        transaction.commit()?;
        Ok(if changed == 1 { Changed::Done(row) } else { Changed::Stale(row) })
    }

    /// Puts a lathe away, at a time, or brings it back; gives it as it now is.
    ///
    /// # Errors
    /// What SQLite says.
    pub fn put_away(&self, id: &str, at: Option<&str>) -> Result<Option<LatheRow>, StoreError> {
        let connection = self.lock();
        let sql = "UPDATE lathes SET away = ?2, revision = revision + 1 WHERE id = ?1";
        connection.execute(sql, params![id, at])?;
        Ok(find_lathe(&connection, id)?)
    }

    /// The kit, JSON, if one was stored.
    ///
    /// # Errors
    /// What SQLite says.
    pub fn kit(&self) -> Result<Option<String>, StoreError> {
        Ok(self.lock().query_row("SELECT body FROM kit", [], |r| r.get(0)).optional()?)
    }

    /// Replaces the kit.
    ///
    /// # Errors
    /// What SQLite says.
    pub fn put_kit(&self, body: &str) -> Result<(), StoreError> {
        let sql = "INSERT INTO kit (id, body) VALUES (1, ?1) ON CONFLICT (id) DO UPDATE SET body = excluded.body";
        let mut connection = self.lock();
        let transaction = begin(&mut connection)?;
        transaction.execute(sql, [body])?;
        facts_moved(&transaction, Hangs::Kit)?;
        transaction.commit()?;
        Ok(())
    }

    /// All jobs, newest first.
    ///
    /// # Errors
    /// What SQLite says.
    pub fn jobs(&self) -> Result<Vec<JobRow>, StoreError> {
        let connection = self.lock();
        let mut query = connection.prepare_cached(&format!("{JOB} ORDER BY j.created DESC, j.rowid DESC"))?;
        let rows = query.query_map([], job_row)?;
        Ok(rows.collect::<Result<_, _>>()?)
    }

    /// One job.
    ///
    /// # Errors
    /// What SQLite says.
    pub fn job(&self, id: &str) -> Result<Option<JobRow>, StoreError> {
        Ok(find_job(&self.lock(), id)?)
    }

    /// Adds a job; false, and nothing done, when its id is used already.
    ///
    /// # Errors
    /// What SQLite says.
    pub fn add_job(&self, id: &str, title: &str, request: &str, created: &str) -> Result<bool, StoreError> {
        let sql = "INSERT INTO jobs (id, title, request, revision, created) VALUES (?1, ?2, ?3, 1, ?4) ON CONFLICT (id) DO NOTHING";
        Ok(self.lock().execute(sql, params![id, title, request, created])? == 1)
    }

    /// Adds jobs of one new part, each with its id, title and request, the first naming the part and owning the sheet (its kind and body)
    /// where there is one: all of it, or nothing.
    ///
    /// # Errors
    /// What SQLite says; an id used before is one of them.
    pub fn add_part(&self, jobs: &[[&str; 3]], created: &str, sheet: Option<[&str; 2]>) -> Result<(), StoreError> {
        let mut connection = self.lock();
        let transaction = begin(&mut connection)?;
        let sql = "INSERT INTO jobs (id, title, request, revision, created, part) VALUES (?1, ?2, ?3, 1, ?4, ?5)";
        for [id, title, request] in jobs {
            let part = (jobs.len() > 1).then_some(jobs[0][0]);
            transaction.execute(sql, params![id, title, request, created, part])?;
        }
        if let (Some([kind, body]), Some([owner, ..])) = (sheet, jobs.first()) {
            transaction.execute("INSERT INTO sheets (owner, kind, body, revision) VALUES (?1, ?2, ?3, 1)", [owner, kind, body])?;
        }
        transaction.commit()?;
        Ok(())
    }

    /// Adds a job to the part of another, as its mate or beside it; the other's facts may change with it.
    /// Stale, and nothing done, when that one was changed meanwhile.
    ///
    /// # Errors
    /// What SQLite says; an id used before is one of them.
    pub fn add_member(&self, of: &str, job: &NewMember<'_>) -> Result<Changed<()>, StoreError> {
        let mut connection = self.lock();
        let transaction = begin(&mut connection)?;
        let Some(first) = find_job(&transaction, of)? else { return Ok(Changed::Missing) };
        if first.revision != job.revision {
            return Ok(Changed::Stale(()));
        }
        let part = first.part.unwrap_or_else(|| first.id.clone());
        let mate = job.mates.then_some(of);
        let sql = "INSERT INTO jobs (id, title, request, revision, created, part, mate, batch, place) VALUES (?1, ?2, ?3, 1, ?4, ?5, ?6, ?7, ?8)";
        transaction.execute(sql, params![job.id, job.title, job.request, job.created, part, mate, first.batch, first.place])?;
        let sql = "UPDATE jobs SET part = ?2, mate = coalesce(?3, mate), request = iif(frozen_plan IS NULL, coalesce(?4, request), request),
             revision = revision + 1, facts_revision = iif(?4 IS NULL OR frozen_plan IS NOT NULL, facts_revision, revision + 1) WHERE id = ?1";
        transaction.execute(sql, params![of, part, job.mates.then_some(job.id), job.request_of_first])?;
        transaction.commit()?;
        Ok(Changed::Done(()))
    }

    /// The jobs of one part, oldest first.
    ///
    /// # Errors
    /// What SQLite says.
    pub fn members(&self, part: &str) -> Result<Vec<JobRow>, StoreError> {
        let connection = self.lock();
        let mut query = connection.prepare_cached(&format!("{JOB} WHERE j.part = ?1 ORDER BY j.created, j.rowid"))?;
        let rows = query.query_map([part], job_row)?;
        Ok(rows.collect::<Result<_, _>>()?)
    }

    /// Changes a job if `revision` is still the newest; with it, in the one transaction, the request of its mate where what changed is
    /// the pair's. Facts of a job that is begun are changed beside its frozen plan.
    ///
    /// # Errors
    /// What SQLite says.
    pub fn change_job(&self, id: &str, revision: i64, change: &JobChange<'_>) -> Result<Changed<JobRow>, StoreError> {
        let mut connection = self.lock();
        let transaction = begin(&mut connection)?;
        let sql = "UPDATE jobs SET title = coalesce(?3, title), request = coalesce(?4, request), away = iif(?5, ?6, away), revision = revision + 1,
             facts_revision = iif(?4 IS NULL OR frozen_plan IS NOT NULL, facts_revision, revision + 1)
             WHERE id = ?1 AND revision = ?2 AND (?4 IS NULL OR (frozen_plan IS NOT NULL) = ?7)";
        let away = change.away.flatten();
        let changed = transaction.execute(sql, params![id, revision, change.title, change.request, change.away.is_some(), away, change.begun])?;
        if let (1, Some((mate, request))) = (changed, change.mate) {
            let sql = "UPDATE jobs SET request = ?2, revision = revision + 1, facts_revision = revision + 1 WHERE id = ?1 AND frozen_plan IS NULL";
            transaction.execute(sql, params![mate, request])?;
        }
        let Some(job) = find_job(&transaction, id)? else { return Ok(Changed::Missing) };
        transaction.commit()?;
        Ok(if changed == 1 { Changed::Done(job) } else { Changed::Stale(job) })
    }

    /// A job's acts, in order.
    ///
    /// # Errors
    /// What SQLite says.
    pub fn acts(&self, job: &str) -> Result<Vec<ActRow>, StoreError> {
        let connection = self.lock();
        let mut query = connection.prepare_cached(&format!("{ACT} WHERE job = ?1 ORDER BY sequence"))?;
        let rows = query.query_map([job], act_row)?;
        Ok(rows.collect::<Result<_, _>>()?)
    }

    /// Records an act; one that begins the cut freezes the plan with it and notes its gears on the lathe, all in one transaction. The same
    /// act again gives the first answer. It is on disk when this returns.
    ///
    /// # Errors
    /// What SQLite says.
    pub fn record(&self, job: &str, new: &NewAct<'_>) -> Result<Recorded, StoreError> {
        let act = new.row;
        let mut connection = self.lock();
        let transaction = begin(&mut connection)?;
        let Some(found) = find_job(&transaction, job)? else { return Ok(Recorded::Missing) };
        let before = transaction.query_row(&format!("{ACT} WHERE job = ?1 AND id = ?2"), [job, &act.id], act_row).optional()?;
        if let Some(before) = before {
            return Ok(if before.body == act.body { Recorded::Done(before) } else { Recorded::Different });
        }
        if new.revision.is_some_and(|seen| seen < found.facts_revision || seen > found.revision) {
            return Ok(Recorded::Stale);
        }
        if found.sequence != new.after {
            return Ok(Recorded::Moved);
        }
        if let (None, Some(Begun { frozen, revision, mounted })) = (&found.frozen, new.begins) {
            if found.revision != *revision {
                return Ok(Recorded::Moved);
            }
            let sql = "UPDATE jobs SET frozen_plan = ?2, frozen_run = ?3, frozen_engine = ?4, frozen_facts = ?5 WHERE id = ?1";
            transaction.execute(sql, params![job, frozen.plan, frozen.run, frozen.engine, frozen.facts])?;
            if let Some((lathe, body)) = mounted {
                transaction.execute("UPDATE lathes SET body = ?2, revision = revision + 1 WHERE id = ?1", [lathe, body])?;
                facts_moved(&transaction, Hangs::Lathe(lathe))?;
            }
        }
        if let (true, Some(mate)) = (new.moves_mate, &found.mate) {
            facts_moved(&transaction, Hangs::Mate(mate))?;
        }
        let sequence = found.sequence + 1;
        let sql = "INSERT INTO acts (job, id, sequence, body, happened, recorded, source, seen) VALUES (?1, ?2, ?3, ?4, ?5, ?6, ?7, ?8)";
        transaction.execute(sql, params![job, act.id, sequence, act.body, act.happened, act.recorded, act.source, act.seen])?;
        transaction.commit()?;
        Ok(Recorded::Done(ActRow { sequence, ..act.clone() }))
    }

    /// Whether SQLite finds the file sound.
    ///
    /// # Errors
    /// What SQLite says.
    pub fn sound(&self) -> Result<bool, StoreError> {
        let answer: String = self.lock().query_row("PRAGMA integrity_check", [], |r| r.get(0))?;
        Ok(answer == "ok")
    }
}

/// A change of a job: what is none stays as it is.
#[derive(Debug, Clone, Copy, Default)]
pub struct JobChange<'a> {
    /// New title.
    pub title: Option<&'a str>,
    /// New facts, JSON.
    pub request: Option<&'a str>,
    /// Whether the job's plan was frozen when they were judged: begun since, they are not its facts.
    pub begun: bool,
    /// New facts of its mate, by its id.
    pub mate: Option<(&'a str, &'a str)>,
    /// Put away at a time, or brought back.
    pub away: Option<Option<&'a str>>,
}

/// A transaction that may write: it has the database to itself from its first read on.
fn begin(connection: &mut Connection) -> rusqlite::Result<Transaction<'_>> {
    connection.transaction_with_behavior(TransactionBehavior::Immediate)
}

/// What a plan may hang on beside its own facts.
#[derive(Clone, Copy)]
enum Hangs<'a> {
    Lathe(&'a str),
    Kit,
    Mate(&'a str),
}

/// Marks the facts of jobs not begun as moved on: an act sent by a page that saw them before is not taken for one that saw them since.
fn facts_moved(transaction: &Transaction<'_>, hangs: Hangs<'_>) -> rusqlite::Result<()> {
    let (on, id) = match hangs {
        Hangs::Lathe(id) => ("iif(json_valid(request), json_extract(request, '$.lathe_id'), NULL) = ?1", id),
        Hangs::Kit => ("?1 = ''", ""),
        Hangs::Mate(id) => ("id = ?1", id),
    };
    let sql = format!("UPDATE jobs SET revision = revision + 1, facts_revision = revision + 1 WHERE frozen_plan IS NULL AND {on}");
    transaction.execute(&sql, [id])?;
    // A line names the lathe, of jobs begun too.
    transaction.execute(&format!("DELETE FROM lines WHERE job IN (SELECT id FROM jobs WHERE {on})"), [id])?;
    Ok(())
}

const LATHE: &str = "SELECT id, body, revision, away FROM lathes";
const JOB: &str = "SELECT j.id, j.title, j.request, j.revision, j.created, j.frozen_plan, j.frozen_run, j.frozen_engine, \
     (SELECT count(*) FROM acts a WHERE a.job = j.id), j.part, j.mate, j.batch, j.place, j.facts_revision, j.frozen_facts, j.away FROM jobs j";
const ACT: &str = "SELECT id, sequence, body, happened, recorded, source, seen FROM acts";

fn find_lathe(connection: &Connection, id: &str) -> rusqlite::Result<Option<LatheRow>> {
    connection.prepare_cached(&format!("{LATHE} WHERE id = ?1"))?.query_row([id], lathe_row).optional()
}

fn lathe_row(row: &rusqlite::Row<'_>) -> rusqlite::Result<LatheRow> {
    Ok(LatheRow { id: row.get(0)?, body: row.get(1)?, revision: row.get(2)?, away: row.get(3)? })
}

fn find_job(connection: &Connection, id: &str) -> rusqlite::Result<Option<JobRow>> {
    connection.prepare_cached(&format!("{JOB} WHERE j.id = ?1"))?.query_row([id], job_row).optional()
}

fn job_row(row: &rusqlite::Row<'_>) -> rusqlite::Result<JobRow> {
    let frozen = match (row.get(5)?, row.get(6)?, row.get(7)?) {
        (Some(plan), Some(run), Some(engine)) => Some(Frozen { plan, run, engine, facts: row.get(14)? }),
        _ => None,
    };
    Ok(JobRow {
        id: row.get(0)?,
        title: row.get(1)?,
        request: row.get(2)?,
        revision: row.get(3)?,
        created: row.get(4)?,
        frozen,
        sequence: row.get(8)?,
        part: row.get(9)?,
        mate: row.get(10)?,
        batch: row.get(11)?,
        place: row.get(12)?,
        facts_revision: row.get(13)?,
        away: row.get(15)?,
    })
}

fn act_row(row: &rusqlite::Row<'_>) -> rusqlite::Result<ActRow> {
    Ok(ActRow {
        id: row.get(0)?,
        sequence: row.get(1)?,
        body: row.get(2)?,
        happened: row.get(3)?,
        recorded: row.get(4)?,
        source: row.get(5)?,
        seen: row.get(6)?,
    })
}
