//! Changing a job's facts; of a part of a batch, those of every other part that is not begun with them.

use crate::body::{Revision, Sent};
use crate::jobs::{JobView, Outcome, keepable, merge, title_fault, view};
use crate::members::of_the_pair;
use crate::parts::{slot_of, standing, whole_parts};
use crate::planning::Inputs;
use crate::problem::Problem;
use crate::state::{App, JobChanged};
use crate::stored::{self, Document, Failed, FrozenFacts, LATER, differences};
use crate::voice::Asked;
use axum::Json;
use axum::extract::{Path, State};
use serde::Deserialize;
use serde_json::{Value, json};
use utoipa::ToSchema;
use yoke_core::faults::Fault;
use yoke_core::say;
use yoke_core::voice::Voice;
use yoke_store::{Changed, JobChange, JobRow, Store};

/// Facts that are one part's own: its hand, and what was measured of it; the size its mate was made to is, too.
const OWN: [(&str, &str); 6] =
    [("thread", "hand"), ("blank", "diameter_mm"), ("blank", "runout_mm"), ("blank", "rechucked"), ("blank", "parallel"), ("gauge", "spring")];

/// What of a change every part of a batch shares.
fn shared(change: &Value) -> Value {
    let mut change = change.clone();
    for (section, field) in OWN {
        if let Some(section) = change.get_mut(section).and_then(Value::as_object_mut) {
            section.remove(field);
        }
    }
    if let Some(mate) = change.get_mut("mate") {
        *mate = of_the_pair(mate.take());
    }
    if let Some(map) = change.as_object_mut() {
        map.remove("sample");
        map.retain(|_, section| section.as_object().is_none_or(|s| !s.is_empty()));
    }
    change
}

/// Plain sizes as told, each with what was measured of this part under its name.
fn as_measured(plain: &mut Value, own: Option<&Value>) {
    let measured = |name: &Value| own?.as_array()?.iter().find(|p| p["name"] == *name)?.get("measured_mm").cloned();
    for size in plain.as_array_mut().into_iter().flatten() {
        let kept = measured(&size["name"]);
        if let Some(size) = size.as_object_mut() {
            size.remove("measured_mm");
            size.extend(kept.map(|mm| ("measured_mm".to_owned(), mm)));
        }
    }
}

/// A job that moved on: its id, revision and sequence.
type Moved = (String, i64, i64);

/// Tells a change of one part of a batch to the same thread of every other that is not begun and can bear it; those it was told to, each
/// with its revision and sequence.
fn told_to_others(store: &Store, id: &str, change: &Value, voice: Asked) -> Result<Vec<Moved>, Failed> {
    let change = shared(change);
    let batch = store.job(id)?.filter(|job| job.frozen.is_none() && change.as_object().is_some_and(|c| !c.is_empty())).and_then(|job| job.batch);
    let Some(batch) = batch else { return Ok(Vec::new()) };
    let parts = whole_parts(store, &batch)?;
    let slot = slot_of(&parts, id);
    let mut told = Vec::new();
    for other in standing(&parts) {
        let Some(job) = slot.and_then(|i| other.slots.get(i)?.as_ref()).filter(|j| j.id != id && j.frozen.is_none()) else { continue };
        let Document { whole: before, unknown, .. } = stored::request(job)?;
        let (mut request, mut change) = (before.clone(), change.clone());
        if let Some(plain) = change.pointer_mut("/blank/plain") {
            as_measured(plain, before.pointer("/blank/plain"));
        }
        merge(&mut request, change);
        // What does not plan with it, a hand that cannot, keeps its own.
        if request == before || keepable(store, &request, &unknown, voice)?.is_err() {
            continue;
        }
        let text = request.to_string();
        if let Changed::Done(job) = store.change_job(&job.id, job.revision, &JobChange { request: Some(&text), ..JobChange::default() })? {
            told.push((job.id, job.revision, job.sequence));
        }
    }
    Ok(told)
}

/// What a change may hold.
#[derive(Default, Deserialize, ToSchema)]
#[serde(default, deny_unknown_fields)]
pub struct JobPatch {
    /// New title.
    title: Option<String>,
    /// Merge patch (RFC 7396) of the plan request.
    #[schema(value_type = Option<Object>)]
    request: Option<Value>,
    /// Put away, or brought back.
    away: Option<bool>,
}

/// The mate's request with a change of what is the pair's: one school, one clearance.
fn pair_facts(store: &Store, job: &JobRow, change: Value) -> Result<Option<(String, String)>, Failed> {
    let Some(mate) = job.mate.as_ref().map(|id| store.job(id)).transpose()?.flatten() else { return Ok(None) };
    let mut request = stored::request(&mate)?.whole;
    merge(&mut request, json!({ "mate": of_the_pair(change) }));
    Ok(Some((mate.id, request.to_string())))
}

/// What is wrong with what is told after the first pass: held against what the plan was frozen from, whatever became of the shop since. A sum
/// of the pad feeds nothing then, so what it would feed is not held against it.
fn told_later(mut frozen: FrozenFacts, request: &Value, voice: Asked) -> Vec<Fault> {
    for pointer in LATER {
        let told = request.pointer(pointer).cloned().unwrap_or(Value::Null);
        let patch = pointer.rsplit('/').filter(|name| !name.is_empty()).fold(told, |inner, name| json!({ name: inner }));
        merge(&mut frozen.request, patch);
    }
    for sum in frozen.request.get_mut("pad").and_then(Value::as_array_mut).into_iter().flatten().filter_map(Value::as_object_mut) {
        sum.remove("feeds");
    }
    Inputs::frozen(frozen, voice).settled().err().unwrap_or_default()
}

/// Changes a job's facts under `If-Match: revision`.
#[utoipa::path(patch, path = "/api/v1/jobs/{id}", params(("id" = String, Path), ("If-Match" = String, Header)), request_body = JobPatch,
    responses((status = 200, body = JobView), (status = 409, body = Problem), (status = 422, body = Problem), (status = 428, body = Problem)))]
pub async fn change(
    State(app): State<App>,
    voice: Asked,
    Path(id): Path<String>,
    Revision(revision): Revision,
    Sent { read: patch, mut faults }: Sent<JobPatch>,
) -> Result<Json<JobView>, Problem> {
    faults.extend(patch.title.as_deref().and_then(title_fault));
    if !faults.is_empty() {
        return Err(Problem::faulty(faults));
    }
    let now = (app.clock)();
    let facts = patch.request.clone();
    let done = move |store: &Store| -> Result<(Outcome, Vec<Moved>), Failed> {
        let outcome = changed(store, &id, revision, patch, &now, voice)?;
        let others = match (&outcome, facts) {
            (Outcome::Done(_), Some(facts)) => told_to_others(store, &id, &facts, voice)?,
            _ => Vec::new(),
        };
        Ok((outcome, others))
    };
    let (outcome, others) = app.reckon(done).await?;
    others.iter().for_each(|(id, revision, sequence)| JobChanged::tell(&app, id, *revision, *sequence));
    match outcome {
        Outcome::Done(view) => {
            JobChanged::tell(&app, view.id(), view.revision(), view.sequence());
            Ok(Json(*view))
        }
        Outcome::Stale(view) => Err(Problem::stale("job", &view)),
        Outcome::Begun(view) => {
            Err(Problem::conflict("/problems/begun", say!(Voice::default(), "srv-cut-begun-plan-frozen-undo"), serde_json::to_value(view).ok()))
        }
        Outcome::Faulty(faults) => Err(Problem::faulty(faults)),
        Outcome::Taken | Outcome::Missing => Err(Problem::missing("job")),
    }
}

fn changed(store: &Store, id: &str, revision: i64, patch: JobPatch, now: &str, voice: Asked) -> Result<Outcome, Failed> {
    let Some(job) = store.job(id)? else { return Ok(Outcome::Missing) };
    if job.revision != revision {
        return Ok(Outcome::Stale(Box::new(view(store, &job, voice)?)));
    }
    let of_pair = patch.request.as_ref().and_then(|r| r.get("mate")).cloned();
    let request = match patch.request {
        None => None,
        Some(change) => {
            let Document { whole: before, unknown, .. } = stored::request(&job)?;
            let mut request = before.clone();
            merge(&mut request, change);
            let later = |pointer: &String| LATER.iter().any(|l| pointer == l || pointer.starts_with(&format!("{l}/")));
            if job.frozen.is_some() && !differences(&before, &request).iter().all(later) {
                return Ok(Outcome::Begun(Box::new(view(store, &job, voice)?)));
            }
            let faults = match FrozenFacts::of(&job)? {
                Some(frozen) => told_later(frozen, &request, voice),
                None => keepable(store, &request, &unknown, voice)?.err().unwrap_or_default(),
            };
            if !faults.is_empty() {
                return Ok(Outcome::Faulty(faults));
            }
            Some(request.to_string())
        }
    };
    let mate = of_pair.filter(|_| job.frozen.is_none()).map(|change| pair_facts(store, &job, change)).transpose()?.flatten();
    let change = JobChange {
        title: patch.title.as_deref(),
        request: request.as_deref(),
        begun: job.frozen.is_some(),
        mate: mate.as_ref().map(|(id, request)| (id.as_str(), request.as_str())),
        away: patch.away.map(|away| away.then_some(now)),
    };
    Ok(match store.change_job(&job.id, revision, &change)? {
        Changed::Done(job) => Outcome::Done(Box::new(view(store, &job, voice)?)),
        Changed::Stale(job) => Outcome::Stale(Box::new(view(store, &job, voice)?)),
        Changed::Missing => Outcome::Missing,
    })
}
