//! Jobs: facts under a revision, with the plan and the state of the run.

use crate::body::{Revision, Sent};
use crate::planning::{plan_with_store, request_of};
use crate::problem::Problem;
use crate::state::{App, JobChanged};
use axum::Json;

use axum::extract::{Path, State};
use axum::http::StatusCode;
use serde::{Deserialize, Serialize};
use serde_json::value::{RawValue, to_raw_value};
use serde_json::{Value, json};
use utoipa::ToSchema;
use yoke_core::faults::Fault;
use yoke_core::gauge::VerdictKind;
use yoke_core::job::PlanRequest;
use yoke_core::log::{Act, RunState, fold};
use yoke_core::plan::Plan;
use yoke_core::quantity::real;
use yoke_core::run::RunPlan;
use yoke_core::thread::{Side, ThreadSpec, callout};
use yoke_store::{ActRow, Changed, JobRow, NewMember, Store, StoreError};

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
    /// The part it belongs to, when it carries other threads or has a mate.
    part: Option<String>,
    /// The batch it is one of.
    batch: Option<String>,
    /// Its place in the batch.
    place: Option<i64>,
    /// Whether it was scrapped.
    scrapped: bool,
}

/// Another thread of the same part.
#[derive(Serialize, ToSchema)]
pub struct MemberLine {
    /// Its job.
    id: String,
    /// Title.
    title: String,
    /// Whether it is the mate of this one.
    mate: bool,
    /// Which member it is, when its thread is known.
    side: Option<Side>,
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
    /// The other threads of its part.
    members: Vec<MemberLine>,
    /// The batch it is one of.
    batch: Option<String>,
    /// Its place in the batch.
    place: Option<i64>,
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
    Ok(plan_with_store(store, facts(store, job)?)?.and_then(|plan| {
        let raw = to_raw_value(&plan).map_err(|e| vec![Fault::new("", e.to_string())])?;
        Ok((raw, plan.run))
    }))
}

/// How a job's run stands, with the run it is judged by; nothing when it does not plan.
pub fn run_of(store: &Store, job: &JobRow) -> Result<Option<(RunPlan, RunState)>, StoreError> {
    let Ok((_, run)) = planned(store, job)? else { return Ok(None) };
    let state = fold(&run, &acts(store, &job.id)?);
    Ok(Some((run, state)))
}

/// A job's plan as JSON, and whether it is done with, proven or scrapped; nothing when it does not plan.
pub fn planned_json(store: &Store, job: &JobRow) -> Result<Option<(Value, bool)>, StoreError> {
    let Ok((plan, run)) = planned(store, job)? else { return Ok(None) };
    let state = fold(&run, &acts(store, &job.id)?);
    let finished = job.frozen.is_some() && state.finished || state.scrapped.is_some();
    Ok(serde_json::from_str(plan.get()).ok().map(|plan| (plan, finished)))
}

/// A job's facts, with its mate's size as made: the second of a pair follows the first.
pub fn facts(store: &Store, job: &JobRow) -> Result<Value, StoreError> {
    let mut request: Value = serde_json::from_str(&job.request).unwrap_or_default();
    let told = request.pointer("/mate/made_pitch_diameter_mm").is_some_and(Value::is_number);
    if let (false, true, Some(mate)) = (told, request["mate"].is_object(), &job.mate)
        && let Some(mate) = store.job(mate)?
        && let Some(made) = made(store, &mate)?
    {
        let of_mate = &mut request["mate"];
        of_mate["made_pitch_diameter_mm"] = made.pitch.into();
        // Crest and root told by hand stand.
        for (field, size) in [("made_crest_mm", made.crest), ("made_root_mm", Some(made.root))] {
            if let (true, Some(size)) = (of_mate[field].is_null(), size) {
                of_mate[field] = size.into();
            }
        }
    }
    Ok(request)
}

/// What a job was cut to, mm.
struct CutSizes {
    pitch: f64,
    /// Crest as turned or bored, when that was measured.
    crest: Option<f64>,
    /// Root the tip left.
    root: f64,
}

/// What a job was cut to, once its last reading says the cutting is over.
fn made(store: &Store, job: &JobRow) -> Result<Option<CutSizes>, StoreError> {
    let Some(run) = frozen_run(job) else { return Ok(None) };
    let verdict = fold(&run, &acts(store, &job.id)?).verdict;
    let crest = serde_json::from_str::<PlanRequest>(&job.request).ok().and_then(|r| r.blank.diameter_mm);
    Ok(verdict.filter(|v| matches!(v.verdict, VerdictKind::InLimits | VerdictKind::PastLimit)).map(|v| {
        let pitch = v.pitch_diameter_mm.value;
        CutSizes { pitch, crest, root: run.root_at(pitch) }
    }))
}

/// Which member a request cuts, when its thread reads.
fn side_of(request: &str) -> Option<Side> {
    let request: PlanRequest = serde_json::from_str(request).ok()?;
    let thread = request.thread;
    // Sizes of one's own are a screw's unless the side says otherwise.
    thread.side.or_else(|| thread.special.map(|_| Side::External)).or_else(|| Some(callout::read(thread.callout.as_deref()?).ok()?.side))
}

/// The other threads of a job's part.
fn members(store: &Store, job: &JobRow) -> Result<Vec<MemberLine>, StoreError> {
    let Some(part) = &job.part else { return Ok(Vec::new()) };
    let others = store.members(part)?.into_iter().filter(|m| m.id != job.id);
    Ok(others.map(|m| MemberLine { mate: job.mate.as_ref() == Some(&m.id), side: side_of(&m.request), id: m.id, title: m.title }).collect())
}

/// A job's acts as the core reads them.
pub fn acts(store: &Store, id: &str) -> Result<Vec<Act>, StoreError> {
    Ok(store.acts(id)?.iter().filter_map(act).collect())
}

/// An act as the core reads it.
pub fn act(row: &ActRow) -> Option<Act> {
    Some(Act { id: row.id.clone(), kind: serde_json::from_str(&row.body).ok()? })
}

/// The run of a job as it was frozen at the first pass.
pub fn frozen_run(job: &JobRow) -> Option<RunPlan> {
    serde_json::from_str(&job.frozen.as_ref()?.run).ok()
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
        members: members(store, job)?,
        batch: job.batch.clone(),
        place: job.place,
    })
}

/// How a job stands, in words, by its run.
pub fn stands(run: Option<&(RunPlan, RunState)>) -> String {
    match run {
        None => "needs mending".into(),
        Some((_, s)) if s.scrapped.is_some() => "scrapped".into(),
        Some((_, s)) if s.finished => "in limits".into(),
        Some((_, s)) if !s.begun => "not begun".into(),
        Some((run, s)) => format!("{} of {} passes cut", s.passes_done, run.passes.len()),
    }
}

fn line(store: &Store, job: &JobRow) -> Result<JobLine, StoreError> {
    let request: PlanRequest = serde_json::from_str(&job.request).unwrap_or_default();
    let lathe = match &request.lathe_id {
        Some(id) => store.lathe(id)?.and_then(|l| serde_json::from_str::<Value>(&l.body).ok()).and_then(|v| v["name"].as_str().map(str::to_owned)),
        None => None,
    };
    let run = run_of(store, job)?;
    let sought = request.awaits_identification();
    let stands = if run.is_none() && sought { "to be identified".to_owned() } else { stands(run.as_ref()) };
    let state = run.map(|(_, state)| state);
    let text = request.thread.callout.unwrap_or_default();
    Ok(JobLine {
        id: job.id.clone(),
        title: job.title.clone(),
        thread: match (sought, request.thread.special.is_some()) {
            (true, _) => "A sample, as found,".into(),
            (_, true) => "A special, to its measurements,".into(),
            _ => callout::read(&text).map_or(text, |mut spec| {
                spec.hand = request.thread.hand.unwrap_or(spec.hand);
                spec.name()
            }),
        },
        lathe_id: request.lathe_id,
        lathe: lathe.unwrap_or_else(|| "no lathe told".into()),
        passes_done: state.as_ref().map_or(0, |s| s.passes_done),
        finished: state.as_ref().is_some_and(|s| s.finished),
        stands,
        created: job.created.clone(),
        part: job.part.clone(),
        batch: job.batch.clone(),
        place: job.place,
        scrapped: state.as_ref().is_some_and(|s| s.scrapped.is_some()),
    })
}

/// The job board.
#[utoipa::path(get, path = "/api/v1/jobs", responses((status = 200, body = Vec<JobLine>)))]
pub async fn list(State(app): State<App>) -> Result<Json<Vec<JobLine>>, Problem> {
    Ok(Json(app.with_store(|store| store.jobs()?.iter().map(|j| line(store, j)).collect()).await?))
}

pub fn title_fault(title: &str) -> Option<Fault> {
    (title.trim().is_empty() || title.chars().count() > 120).then(|| Fault::new("/title", "a title has 1 to 120 characters"))
}

/// Whether a request may be kept as a job, and what it is called: it plans, or it is a sample whose
/// thread is still sought and has no other fault.
pub fn keepable(store: &Store, request: &Value) -> Result<Result<String, Vec<Fault>>, StoreError> {
    Ok(plan_with_store(store, request.clone())?.map(|plan| plan.thread.name).or_else(|faults| {
        let sought = serde_json::from_value::<PlanRequest>(request.clone()).is_ok_and(|r| r.awaits_identification());
        if sought && faults.iter().all(|f| f.pointer == "/thread/callout") { Ok("A sample, as found".into()) } else { Err(faults) }
    }))
}

/// Makes a job.
#[utoipa::path(post, path = "/api/v1/jobs", request_body = NewJob, responses((status = 201, body = JobView), (status = 422, body = Problem)))]
pub async fn add(State(app): State<App>, Sent { read: new, mut faults }: Sent<NewJob>) -> Result<(StatusCode, Json<JobView>), Problem> {
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
            let name = match keepable(store, &request)? {
                Ok(name) => name,
                Err(faults) => return Ok(Err(faults)),
            };
            let id = uuid::Uuid::new_v4().to_string();
            store.add_job(&id, &new.title.unwrap_or(name), &request.to_string(), &created)?;
            store.job(&id)?.map(|job| view(store, &job)).transpose().map(Ok)
        })
        .await?
        .map_err(Problem::faulty)?
        .ok_or_else(|| Problem::missing("job"))?;
    Ok((StatusCode::CREATED, Json(view)))
}

/// A thread to add to a part: the mate of the one named, or another callout.
#[derive(Default, Deserialize, ToSchema)]
#[serde(default, deny_unknown_fields)]
pub struct AddMember {
    /// Whether it is the mate of the job it joins: the other member of the same thread.
    pub mate: bool,
    /// Another thread of the same part, instead.
    pub callout: Option<String>,
    /// Title; made from the first one's when absent.
    pub title: Option<String>,
    /// What the mate is made of.
    pub material: Option<String>,
}

/// What is the pair's of a member's word on its mate: the size the mate was made to is told to one alone.
fn of_the_pair(mut mate: Value) -> Value {
    if let Some(map) = mate.as_object_mut() {
        map.retain(|field, _| !field.starts_with("made_"));
    }
    mate
}

/// The request of a mate: the same thread, the other side, none of what was measured of this one.
fn mate_of(request: &Value, side: Side, material: Option<String>) -> Value {
    let mut mate =
        json!({ "thread": request["thread"], "mate": of_the_pair(request["mate"].clone()), "lathe_id": request["lathe_id"], "words": request["words"] });
    mate["thread"]["side"] = json!(side);
    if let Value::Object(thread) = &mut mate["thread"] {
        // A class of one side is not the other's; lengths belong to the part.
        for own in ["class", "length_mm"] {
            thread.remove(own);
        }
    }
    if let Some(map) = mate.as_object_mut() {
        map.retain(|_, v| !v.is_null());
    }
    if let Some(material) = material {
        mate["blank"] = json!({ "material": material });
    }
    mate
}

/// Puts the other side's usual class in a callout that has this one's; size, starts and hand are kept.
fn reclass(request: &mut Value, side: Side) {
    let Some(text) = request.pointer("/thread/callout").and_then(Value::as_str) else { return };
    let Ok(spec) = callout::read(text) else { return };
    if spec.class_given && spec.class.side().is_some_and(|s| s != side) {
        let class = spec.system.family().usual_class(side, real(&spec.major));
        request["thread"]["callout"] = json!(ThreadSpec { class, side, ..spec }.name());
    }
}

/// Adds a thread to the part of a job: its mate, or another.
#[utoipa::path(post, path = "/api/v1/jobs/{id}/members", params(("id" = String, Path)), request_body = AddMember,
    responses((status = 201, body = JobView), (status = 409, body = Problem), (status = 422, body = Problem)))]
pub async fn add_member(
    State(app): State<App>,
    Path(id): Path<String>,
    Sent { read: asked, mut faults }: Sent<AddMember>,
) -> Result<(StatusCode, Json<JobView>), Problem> {
    faults.extend(asked.title.as_deref().and_then(title_fault));
    if asked.mate == asked.callout.is_some() {
        faults.push(Fault::new("/callout", "give mate, or the callout of another thread, one of the two"));
    }
    if !faults.is_empty() {
        return Err(Problem::faulty(faults));
    }
    let created = (app.clock)();
    let outcome = app.with_store(move |store| join(store, &id, asked, &created)).await?;
    match outcome {
        MemberAdded::Done(view, first) => {
            let (id, revision, sequence) = *first;
            JobChanged::tell(&app, &id, revision, sequence);
            Ok((StatusCode::CREATED, Json(*view)))
        }
        MemberAdded::Mated => Err(Problem::conflict("/problems/mated", "This thread has its mate already; open that one.", None)),
        MemberAdded::Faulty(faults) => Err(Problem::faulty(faults)),
        MemberAdded::Missing => Err(Problem::missing("job")),
    }
}

/// What came of adding a member.
pub enum MemberAdded {
    /// The new job; and the one it joined, with its revision and sequence.
    Done(Box<JobView>, Box<(String, i64, i64)>),
    /// It has a mate already.
    Mated,
    /// What is wrong.
    Faulty(Vec<Fault>),
    /// There is no such job.
    Missing,
}

/// Adds the member to the part.
pub fn join(store: &Store, of: &str, asked: AddMember, created: &str) -> Result<MemberAdded, StoreError> {
    let Some(first) = store.job(of)? else { return Ok(MemberAdded::Missing) };
    let mut request: Value = serde_json::from_str(&first.request).unwrap_or_default();
    let (new, title) = if let Some(text) = asked.callout {
        let mut new = request_of(&text, request["lathe_id"].as_str().unwrap_or("long-bed"));
        if let Some(material) = request.pointer("/blank/material") {
            new["blank"] = json!({ "material": material });
        }
        (new, format!("{}, {text}", first.title))
    } else {
        let Some(side) = side_of(&first.request).map(Side::other) else {
            return Ok(MemberAdded::Faulty(vec![Fault::new("/mate", "the thread must be known before its mate can be; identify it first")]));
        };
        if !request["mate"].is_object() {
            request["mate"] = json!({});
        }
        let mut new = mate_of(&request, side, asked.material);
        reclass(&mut new, side);
        (new, format!("{}: {}", first.title, if side == Side::Internal { "the nut" } else { "the screw" }))
    };
    let new_text = new.to_string();
    if let Err(faults) = keepable(store, &new)? {
        return Ok(MemberAdded::Faulty(faults));
    }
    let changed = (asked.mate && first.frozen.is_none()).then(|| request.to_string());
    let title: String = asked.title.unwrap_or(title).chars().take(120).collect();
    let id = uuid::Uuid::new_v4().to_string();
    let member = NewMember { id: &id, title: &title, request: &new_text, created, mates: asked.mate, request_of_first: changed.as_deref() };
    if !store.add_member(of, &member)? {
        return Ok(MemberAdded::Mated);
    }
    match (store.job(&id)?, store.job(of)?) {
        (Some(job), Some(first)) => Ok(MemberAdded::Done(Box::new(view(store, &job)?), Box::new((first.id, first.revision, first.sequence)))),
        _ => Ok(MemberAdded::Missing),
    }
}

/// One job, whole.
#[utoipa::path(get, path = "/api/v1/jobs/{id}", params(("id" = String, Path)), responses((status = 200, body = JobView), (status = 404, body = Problem)))]
pub async fn one(State(app): State<App>, Path(id): Path<String>) -> Result<Json<JobView>, Problem> {
    let found = app.with_store(move |store| store.job(&id)?.map(|job| view(store, &job)).transpose()).await?;
    found.map(Json).ok_or_else(|| Problem::missing("job"))
}

/// RFC 7396: null takes a field away, an object is merged, anything else replaces.
pub fn merge(target: &mut Value, patch: Value) {
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

/// The mate's request with a change of what is the pair's: one school, one clearance.
fn pair_facts(store: &Store, job: &JobRow, change: Value) -> Result<Option<(String, String)>, StoreError> {
    let Some(mate) = job.mate.as_ref().map(|id| store.job(id)).transpose()?.flatten() else { return Ok(None) };
    let mut request: Value = serde_json::from_str(&mate.request).unwrap_or_default();
    merge(&mut request, json!({ "mate": of_the_pair(change) }));
    Ok(Some((mate.id, request.to_string())))
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
pub async fn change(
    State(app): State<App>,
    Path(id): Path<String>,
    Revision(revision): Revision,
    Sent { read: patch, mut faults }: Sent<JobPatch>,
) -> Result<Json<JobView>, Problem> {
    faults.extend(patch.title.as_deref().and_then(title_fault));
    if !faults.is_empty() {
        return Err(Problem::faulty(faults));
    }
    let outcome = app
        .with_store(move |store| {
            let Some(job) = store.job(&id)? else { return Ok(Outcome::Missing) };
            let mut request: Value = serde_json::from_str(&job.request).unwrap_or_default();
            let of_pair = patch.request.as_ref().and_then(|r| r.get("mate")).cloned();
            if let Some(change) = patch.request {
                if job.frozen.is_some() {
                    return Ok(Outcome::Begun(Box::new(view(store, &job)?)));
                }
                merge(&mut request, change);
                if let Err(faults) = keepable(store, &request)? {
                    return Ok(Outcome::Faulty(faults));
                }
            }
            let mate = of_pair.map(|change| pair_facts(store, &job, change)).transpose()?.flatten();
            let mate = mate.as_ref().map(|(id, request)| (id.as_str(), request.as_str()));
            Ok(match store.change_job(&job.id, revision, &patch.title.unwrap_or(job.title), &request.to_string(), mate)? {
                Changed::Done(job) => Outcome::Done(Box::new(view(store, &job)?)),
                Changed::Stale(job) => Outcome::Stale(Box::new(view(store, &job)?)),
                Changed::Missing => Outcome::Missing,
            })
        })
        .await?;
    match outcome {
        Outcome::Done(view) => {
            JobChanged::tell(&app, &view.id, view.revision, view.sequence);
            Ok(Json(*view))
        }
        Outcome::Stale(view) => Err(Problem::stale("job", &view)),
        Outcome::Begun(view) => Err(Problem::conflict(
            "/problems/begun",
            "The cut has begun: its plan is frozen. Undo back to the start is not enough; make a new job for different facts.",
            serde_json::to_value(view).ok(),
        )),
        Outcome::Faulty(faults) => Err(Problem::faulty(faults)),
        Outcome::Missing => Err(Problem::missing("job")),
    }
}
