//! A whole shop as rows: read out in order, and laid down in an empty store.

use crate::{ActRow, JobRow, LatheRow, SheetRow, Store, StoreError, TickRow, begin};
use rusqlite::params;

/// A job with its acts.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct WholeJob {
    /// The job.
    pub job: JobRow,
    /// Its acts, in order.
    pub acts: Vec<ActRow>,
    /// Operations of its route that are done.
    pub ticks: Vec<TickRow>,
}

/// Everything but the photographs.
#[derive(Debug, Clone, Default, PartialEq, Eq)]
pub struct Whole {
    /// Lathes, in the order they were added.
    pub lathes: Vec<LatheRow>,
    /// The kit, JSON.
    pub kit: Option<String>,
    /// Jobs, oldest first.
    pub jobs: Vec<WholeJob>,
    /// Routes, batches and the day's order.
    pub sheets: Vec<SheetRow>,
}

impl Store {
    /// The whole shop, but its photographs.
    ///
    /// # Errors
    /// What SQLite says.
    pub fn whole(&self) -> Result<Whole, StoreError> {
        let mut jobs = Vec::new();
        for job in self.jobs()?.into_iter().rev() {
            jobs.push(self.whole_job(job)?);
        }
        Ok(Whole { lathes: self.lathes()?, kit: self.kit()?, jobs, sheets: self.sheets()? })
    }

    /// A job with all that hangs on it but its photographs.
    ///
    /// # Errors
    /// What SQLite says.
    pub fn whole_job(&self, job: JobRow) -> Result<WholeJob, StoreError> {
        Ok(WholeJob { acts: self.acts(&job.id)?, ticks: self.ticks(&job.id)?, job })
    }

    /// Lays a whole shop down in a store that holds nothing: all of it or, on any fault, nothing.
    ///
    /// # Errors
    /// What SQLite says; an id twice, or a mate that is not there, are among it.
    pub fn lay_down(&self, whole: &Whole) -> Result<(), StoreError> {
        let mut connection = self.lock();
        let transaction = begin(&mut connection)?;
        for l in &whole.lathes {
            transaction.execute("INSERT INTO lathes (id, body, revision, away) VALUES (?1, ?2, ?3, ?4)", params![l.id, l.body, l.revision, l.away])?;
        }
        if let Some(kit) = &whole.kit {
            transaction.execute("INSERT INTO kit (id, body) VALUES (1, ?1)", [kit])?;
        }
        for WholeJob { job: j, .. } in &whole.jobs {
            let frozen = j.frozen.as_ref();
            let sql = "INSERT INTO jobs (id, title, request, revision, created, frozen_plan, frozen_run, frozen_engine, part, facts_revision,
                 frozen_facts, away) VALUES (?1, ?2, ?3, ?4, ?5, ?6, ?7, ?8, ?9, ?10, ?11, ?12)";
            let [plan, run, engine] = [frozen.map(|f| &f.plan), frozen.map(|f| &f.run), frozen.map(|f| &f.engine)];
            let facts = frozen.and_then(|f| f.facts.as_ref());
            let values = params![j.id, j.title, j.request, j.revision, j.created, plan, run, engine, j.part, j.facts_revision, facts, j.away];
            transaction.execute(sql, values)?;
        }
        for s in &whole.sheets {
            transaction.execute("INSERT INTO sheets (owner, kind, body, revision) VALUES (?1, ?2, ?3, ?4)", params![s.owner, s.kind, s.body, s.revision])?;
        }
        // A mate, or a batch's first, may come after the job that names it.
        for WholeJob { job: j, acts, ticks } in &whole.jobs {
            transaction.execute("UPDATE jobs SET mate = ?2, batch = ?3, place = ?4 WHERE id = ?1", params![j.id, j.mate, j.batch, j.place])?;
            for t in ticks {
                transaction.execute("INSERT INTO ticks (job, op, done, took) VALUES (?1, ?2, ?3, ?4)", params![j.id, t.op, t.done, t.took])?;
            }
            for a in acts {
                let sql = "INSERT INTO acts (job, id, sequence, body, happened, recorded, source, seen) VALUES (?1, ?2, ?3, ?4, ?5, ?6, ?7, ?8)";
                transaction.execute(sql, params![j.id, a.id, a.sequence, a.body, a.happened, a.recorded, a.source, a.seen])?;
            }
        }
        transaction.commit()?;
        Ok(())
    }
}
