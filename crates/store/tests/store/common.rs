//! What the trials of the store have in common.

use std::path::Path;
use yoke_store::{ActRow, Begun, Frozen, NewAct, Recorded, Store, StoreError, TakenIn, VerifiedCopy};

pub const AT: &str = "2026-05-04T09:00:00Z";

pub fn act(id: &str, body: &str) -> ActRow {
    ActRow { id: id.into(), sequence: 0, body: body.into(), happened: AT.into(), recorded: AT.into(), source: "typed".into(), seen: 0 }
}

pub fn frozen(plan: &str) -> Frozen {
    Frozen { plan: plan.into(), run: "{}".into(), engine: "0".into(), facts: None }
}

/// Records an act as one judged by all before it, beginning with a plan where one is given.
pub fn record(store: &Store, job: &str, row: &ActRow, frozen: Option<&Frozen>) -> Recorded {
    loop {
        let found = store.job(job).unwrap();
        let begins = frozen.map(|f| Begun { frozen: f.clone(), revision: found.as_ref().map_or(0, |j| j.revision), mounted: None });
        let new = NewAct { row, revision: None, after: found.map_or(0, |j| j.sequence), begins: begins.as_ref(), moves_mate: false };
        match store.record(job, &new).unwrap() {
            Recorded::Moved => {}
            done => return done,
        }
    }
}

pub fn take_in(store: &Store, from: &Path, scratch: &Path) -> Result<TakenIn, StoreError> {
    store.restore(&VerifiedCopy::through(from, scratch)?)
}
