//! Jobs: facts under a revision, with the plan and the state of the run.

use crate::app::App;
use crate::events::Moved;
use crate::planning::{body_json, plan_with_store, request_of};
use crate::problem::Problem;
use axum::Json;
use axum::body::Bytes;
use axum::extract::{Path, State};
use axum::http::{HeaderMap, StatusCode, header};
use serde::{Deserialize, Serialize};
use serde_json::Value;
use serde_json::value::{RawValue, to_raw_value};
use utoipa::ToSchema;
use yoke_core::job::{Fault, PlanRequest, read_json};
use yoke_core::log::{Act, RunPlan, RunState, fold};
use yoke_core::plan::Plan;
use yoke_core::thread::callout;
use yoke_store::{Changed, JobRow, Store, StoreError};

/// A job on the board.
#[derive(Serialize, ToSchema)]
pub struct JobLine {
    /// Stable name.
    id: String,
    /// Title.
    title: String,
    /// The thread as written.
    thread: String,
    /// The stored lathe it is on.
    lathe_id: Option<String>,
    /// Its lathe's name.
    lathe: String,
    /// Passes cut.
    passes_done: usize,
    /// How it stands, in words.
    stands: String,
    /// Whether the thread is proven.
    finished: bool,
    /// When it was made.
    created: String,
}

/// A job, whole.
#[derive(Serialize, ToSchema)]
pub struct JobView {
    /// Stable name.
    id: String,
    /// Title.
    title: String,
    /// Goes up with every change of the facts.
    revision: i64,
    /// Acts recorded.
    sequence: i64,
    /// When it was made.
    created: String,
    /// Its facts.
    #[schema(value_type = PlanRequest)]
    request: Value,
    /// Whether the plan is frozen: the cut has begun.
    frozen: bool,
    /// The plan; absent when the facts no longer plan.
    #[schema(value_type = Option<Plan>)]
    plan: Option<Box<RawValue>>,
    /// Why not, when they do not.
    faults: Vec<Fault>,
    /// How the run stands.
    run: Option<RunState>,
}

impl JobView {
    /// Stable name.
    pub fn id(&self) -> &str {
        &self.id
    }

    /// Revision of the facts.
    pub const fn revision(&self) -> i64 {
        self.revision
    }

    /// Acts recorded.
    pub const fn sequence(&self) -> i64 {
        self.sequence
    }
}

/// A new job: a callout and a lathe, or a whole request.
#[derive(Default, Deserialize, ToSchema)]
#[serde(default, deny_unknown_fields)]
pub struct NewJob {
    /// Title; the thread's name when absent.
    title: Option<String>,
    /// A callout, instead of a whole request.
    callout: Option<String>,
    /// A stored lathe, with `callout`.
    lathe_id: Option<String>,
    /// A whole plan request.
    #[schema(value_type = Option<PlanRequest>)]
    request: Option<Value>,
}

/// The frozen or the present plan of a job: its JSON, its run, or the faults in the way.
type Planned = Result<(Box<RawValue>, RunPlan), Vec<Fault>>;

fn planned(store: &Store, job: &JobRow) -> Result<Planned, StoreError> {
    if let Some(frozen) = &job.frozen {
        let read = RawValue::from_string(frozen.plan.clone()).and_then(|plan| Ok((plan, serde_json::from_str(&frozen.run)?)));
        return Ok(read.map_err(|e| vec![Fault::new("", format!("the frozen plan does not read: {e}"))]));
    }
    let request = serde_json::from_str(&job.request).unwrap_or_default();
    Ok(plan_with_store(store, request)?.and_then(|plan| {
        let raw = to_raw_value(&plan).map_err(|e| vec![Fault::new("", e.to_string())])?;
        Ok((raw, plan.run))
    }))
}

/// A job's acts as the core reads them.
fn acts(store: &Store, id: &str) -> Result<Vec<Act>, StoreError> {
    Ok(store.acts(id)?.iter().filter_map(|row| Some(Act { id: row.id.clone(), kind: serde_json::from_str(&row.body).ok()? })).collect())
}

/// A job, whole, from its row.
pub fn view(store: &Store, job: &JobRow) -> Result<JobView, StoreError> {
    let acts = acts(store, &job.id)?;
    let (plan, run, faults) = match planned(store, job)? {
        Ok((plan, run)) => (Some(plan), Some(fold(&run, &acts)), Vec::new()),
        Err(faults) => (None, None, faults),
    };
    Ok(JobView {
        id: job.id.clone(),
        title: job.title.clone(),
        revision: job.revision,
        sequence: job.sequence,
        created: job.created.clone(),
        request: serde_json::from_str(&job.request).unwrap_or_default(),
        frozen: job.frozen.is_some(),
        plan,
        faults,
        run,
    })
}

fn line(store: &Store, job: &JobRow) -> Result<JobLine, StoreError> {
    let request: PlanRequest = serde_json::from_str(&job.request).unwrap_or_default();
    let lathe = match &request.lathe_id {
        Some(id) => store.lathe(id)?.and_then(|l| serde_json::from_str::<Value>(&l.body).ok()).and_then(|v| v["name"].as_str().map(str::to_owned)),
        None => None,
    };
    let run = planned(store, job)?.ok().map(|(_, run)| run);
    let state = match &run {
        Some(run) => Some((fold(run, &acts(store, &job.id)?), run.passes.len())),
        None => None,
    };
    let stands = match &state {
        None => "needs mending".to_owned(),
        Some((s, _)) if s.finished => "in limits".to_owned(),
        Some((s, _)) if !s.begun => "not begun".to_owned(),
        Some((s, all)) => format!("{} of {all} passes cut", s.passes_done),
    };
    let text = request.thread.callout.unwrap_or_default();
    Ok(JobLine {
        id: job.id.clone(),
        title: job.title.clone(),
        thread: callout::read(&text).map_or(text, |mut spec| {
            spec.hand = request.thread.hand.unwrap_or(spec.hand);
            spec.name()
        }),
        lathe_id: request.lathe_id,
        lathe: lathe.unwrap_or_else(|| "Long bed".into()),
        passes_done: state.as_ref().map_or(0, |s| s.0.passes_done),
        finished: state.as_ref().is_some_and(|s| s.0.finished),
        stands,
        created: job.created.clone(),
    })
}

/// The job board.
#[utoipa::path(get, path = "/api/v1/jobs", responses((status = 200, body = Vec<JobLine>)))]
pub async fn list(State(app): State<App>) -> Result<Json<Vec<JobLine>>, Problem> {
    Ok(Json(app.with_store(|store| store.jobs()?.iter().map(|j| line(store, j)).collect()).await?))
}

fn title_fault(title: &str) -> Option<Fault> {
    (title.trim().is_empty() || title.chars().count() > 120).then(|| Fault::new("/title", "a title has 1 to 120 characters"))
}

/// Makes a job.
#[utoipa::path(post, path = "/api/v1/jobs", request_body = NewJob, responses((status = 201, body = JobView), (status = 422, body = Problem)))]
pub async fn add(State(app): State<App>, body: Bytes) -> Result<(StatusCode, Json<JobView>), Problem> {
    let (new, mut faults) = read_json::<NewJob>(body_json(&body)?);
    let request = match (new.request, new.callout) {
        (Some(request), None) => request,
        (None, Some(text)) => request_of(&text, new.lathe_id.as_deref().unwrap_or("long-bed")),
        _ => {
            faults.push(Fault::new("/callout", "give a callout, or a whole request"));
            Value::Null
        }
    };
    faults.extend(new.title.as_deref().and_then(title_fault));
    if !faults.is_empty() {
        return Err(Problem::faulty(faults));
    }
    let created = (app.clock)();
    let view = app
        .with_store(move |store| {
            let plan = match plan_with_store(store, request.clone())? {
                Ok(plan) => plan,
                Err(faults) => return Ok(Err(faults)),
            };
            let id = uuid::Uuid::new_v4().to_string();
            store.add_job(&id, &new.title.unwrap_or(plan.thread.name), &request.to_string(), &created)?;
            store.job(&id)?.map(|job| view(store, &job)).transpose().map(Ok)
        })
        .await?
        .map_err(Problem::faulty)?
        .ok_or_else(|| Problem::missing("job"))?;
    Ok((StatusCode::CREATED, Json(view)))
}

/// One job, whole.
#[utoipa::path(get, path = "/api/v1/jobs/{id}", params(("id" = String, Path)), responses((status = 200, body = JobView), (status = 404, body = Problem)))]
pub async fn one(State(app): State<App>, Path(id): Path<String>) -> Result<Json<JobView>, Problem> {
    let found = app.with_store(move |store| store.job(&id)?.map(|job| view(store, &job)).transpose()).await?;
    found.map(Json).ok_or_else(|| Problem::missing("job"))
}

/// RFC 7396: null takes a field away, an object is merged, anything else replaces.
fn merge(target: &mut Value, patch: Value) {
    match patch {
        Value::Object(patch) => {
            if !target.is_object() {
                *target = Value::Object(serde_json::Map::new());
            }
            if let Value::Object(map) = target {
                for (key, value) in patch {
                    if value.is_null() {
                        map.remove(&key);
                    } else {
                        merge(map.entry(key).or_insert(Value::Null), value);
                    }
                }
            }
        }
        other => *target = other,
    }
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
}

enum Outcome {
    Done(Box<JobView>),
    Stale(Box<JobView>),
    Begun(Box<JobView>),
    Faulty(Vec<Fault>),
    Missing,
}

/// Changes a job's facts under `If-Match: revision`.
#[utoipa::path(patch, path = "/api/v1/jobs/{id}", params(("id" = String, Path), ("If-Match" = String, Header)), request_body = JobPatch,
    responses((status = 200, body = JobView), (status = 409, body = Problem), (status = 422, body = Problem), (status = 428, body = Problem)))]
pub async fn change(State(app): State<App>, Path(id): Path<String>, headers: HeaderMap, body: Bytes) -> Result<Json<JobView>, Problem> {
    let revision = headers.get(header::IF_MATCH).and_then(|v| v.to_str().ok()).and_then(|v| v.trim_matches('"').parse::<i64>().ok());
    let Some(revision) = revision else {
        return Err(Problem::precondition("Send If-Match with the revision the change was made from, such as If-Match: 3."));
    };
    let (patch, mut faults) = read_json::<JobPatch>(body_json(&body)?);
    faults.extend(patch.title.as_deref().and_then(title_fault));
    if !faults.is_empty() {
        return Err(Problem::faulty(faults));
    }
    let outcome = app
        .with_store(move |store| {
            let Some(job) = store.job(&id)? else { return Ok(Outcome::Missing) };
            let mut request: Value = serde_json::from_str(&job.request).unwrap_or_default();
            if let Some(change) = patch.request {
                if job.frozen.is_some() {
                    return Ok(Outcome::Begun(Box::new(view(store, &job)?)));
                }
                merge(&mut request, change);
                if let Err(faults) = plan_with_store(store, request.clone())? {
                    return Ok(Outcome::Faulty(faults));
                }
            }
            Ok(match store.change_job(&job.id, revision, &patch.title.unwrap_or(job.title), &request.to_string())? {
                Changed::Done(job) => Outcome::Done(Box::new(view(store, &job)?)),
                Changed::Stale(job) => Outcome::Stale(Box::new(view(store, &job)?)),
                Changed::Missing => Outcome::Missing,
            })
        })
        .await?;
    match outcome {
        Outcome::Done(view) => {
            Moved::tell(&app, &view.id, view.revision, view.sequence);
            Ok(Json(*view))
        }
        Outcome::Stale(view) => {
            Err(Problem::conflict("/problems/stale", "The job was changed meanwhile; here it is as it now stands.", serde_json::to_value(view).ok()))
        }
        Outcome::Begun(view) => Err(Problem::conflict(
            "/problems/begun",
            "The cut has begun: its plan is frozen. Undo back to the start is not enough; make a new job for different facts.",
            serde_json::to_value(view).ok(),
        )),
        Outcome::Faulty(faults) => Err(Problem::faulty(faults)),
        Outcome::Missing => Err(Problem::missing("job")),
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use serde_json::json;

    #[test]
    fn a_merge_patch_replaces_adds_and_takes_away() {
        let mut target = json!({"thread": {"callout": "M20", "length_mm": 60}, "bit": {"tip_flat_mm": 0.3}});
        merge(&mut target, json!({"thread": {"length_mm": 40}, "bit": null, "blank": {"shoulder": true}}));
        assert_eq!(target, json!({"thread": {"callout": "M20", "length_mm": 40}, "blank": {"shoulder": true}}));
    }
}
