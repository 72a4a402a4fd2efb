//! What operations took, from all that was told and from the threads' own clocks: the next estimate is made by it.

use crate::jobs::run_of;
use crate::stored::{self, Failed, apart};
use chrono::DateTime;
use serde_json::Value;
use yoke_core::route::{OpKind, OpTook, by_the_clock};
use yoke_store::{JobRow, Store};

/// As many as are looked at, the newest first: older hands were slower, or faster.
const NEWEST: u32 = 200;
/// As many runs as are looked at.
const RUNS: usize = 40;

/// Everything told, and every thread whose run ended well.
pub fn took(store: &Store) -> Result<Vec<OpTook>, Failed> {
    let mut all = Vec::new();
    for text in store.took(NEWEST)? {
        // One that does not read teaches nothing; its own page says why.
        all.extend(apart(stored::took(&text).map_err(Failed::from))?.ok());
    }
    for job in store.jobs()?.iter().filter(|j| j.frozen.is_some()).take(RUNS) {
        all.extend(apart(by_its_clock(store, job))?.ok().flatten());
    }
    Ok(all)
}

/// What a thread took by its own acts, against what its plan reckoned.
fn by_its_clock(store: &Store, job: &JobRow) -> Result<Option<OpTook>, Failed> {
    let Some(frozen) = &job.frozen else { return Ok(None) };
    if run_of(store, job)?.is_none_or(|(_, state)| !state.finished) {
        return Ok(None);
    }
    let plan: Value = stored::frozen_plan(job, frozen)?;
    let (Some(seconds), Some(lathe)) = (plan.pointer("/cut/time/whole/value").and_then(Value::as_f64), plan.pointer("/gears/lathe").and_then(Value::as_str))
    else {
        return Ok(None);
    };
    let at = |time: &str| DateTime::parse_from_rfc3339(time).ok().map(|t| t.timestamp_millis());
    #[allow(clippy::cast_precision_loss)] // milliseconds
    let minutes: Vec<f64> = store.acts(&job.id)?.iter().filter_map(|a| at(&a.happened)).map(|ms| ms as f64 / 60_000.0).collect();
    Ok(Some(OpTook { kind: OpKind::Thread, lathe: lathe.to_owned(), reckoned_min: seconds / 60.0, took_min: by_the_clock(&minutes) }))
}
