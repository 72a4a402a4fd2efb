//! Threads added to the part of a job: its mate, another thread, the same again on the other end; and the gauge to turn that proves it.

use crate::body::Sent;
use crate::jobs::{JobView, keepable, side_of, title_cut, title_fault, view, whole_of};
use crate::parts::{slot_of, standing, whole_parts};
use crate::planning::request_of;
use crate::problem::Problem;
use crate::state::{App, JobChanged};
use crate::stored::{self, Document, Failed};
use crate::voice::Asked;
use axum::Json;
use axum::extract::{Path, State};
use axum::http::StatusCode;
use serde::Deserialize;
use serde_json::{Value, json};
use utoipa::ToSchema;
use yoke_core::faults::Fault;
use yoke_core::quantity::real;
use yoke_core::say;
use yoke_core::thread::{Side, ThreadSpec, callout};
use yoke_core::voice::Voice;
use yoke_store::{Changed, NewMember, Store};

/// A thread to add to a part: the mate of the one named, or another callout.
#[derive(Default, Deserialize, ToSchema)]
#[serde(default, deny_unknown_fields)]
pub struct AddMember {
    /// Whether it is the mate of the job it joins: the other member of the same thread.
    pub mate: bool,
    /// Another thread of the same part, instead.
    pub callout: Option<String>,
    /// The same thread again, on the other end of the part: a thread of one's own sizes too.
    pub same: bool,
    /// Title; made from the first one's when absent.
    pub title: Option<String>,
    /// What the mate is made of.
    pub material: Option<String>,
}

/// What is the pair's of a member's word on its mate: the size the mate was made to is told to one alone.
pub(crate) fn of_the_pair(mut mate: Value) -> Value {
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

/// The request of the same thread on other metal, or on the other end: these sections left out, and what was measured of this one, or
/// stands where it does along the part.
pub(crate) fn again(request: &Value, without: &[&str]) -> Value {
    let mut same = request.clone();
    if let Value::Object(map) = &mut same {
        map.retain(|field, _| !without.contains(&field.as_str()));
    }
    if let Some(blank) = same["blank"].as_object_mut() {
        blank.retain(|field, _| !matches!(field.as_str(), "diameter_mm" | "plain" | "from_end_mm" | "runout_mm" | "tried" | "rechucked"));
    }
    same
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
    voice: Asked,
    Path(id): Path<String>,
    Sent { read: asked, mut faults }: Sent<AddMember>,
) -> Result<(StatusCode, Json<JobView>), Problem> {
    faults.extend(asked.title.as_deref().and_then(title_fault));
    if [asked.mate, asked.callout.is_some(), asked.same].iter().filter(|t| **t).count() != 1 {
        faults.push(Fault::new("/callout", say!(Voice::default(), "srv-give-mate-callout-another-thread")));
    }
    if !faults.is_empty() {
        return Err(Problem::faulty(faults));
    }
    let created = (app.clock)();
    let outcome = app.reckon(move |store| join(store, &id, &asked, &created, voice)).await?;
    match outcome {
        MemberAdded::Done(view, first) => {
            let (id, revision, sequence) = *first;
            JobChanged::tell(&app, &id, revision, sequence);
            Ok((StatusCode::CREATED, Json(*view)))
        }
        MemberAdded::Mated => Err(Problem::conflict("/problems/mated", say!(Voice::default(), "srv-thread-mate-already-open-one"), None)),
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
pub fn join(store: &Store, of: &str, asked: &AddMember, created: &str, voice: Asked) -> Result<MemberAdded, Failed> {
    // One that was changed meanwhile is looked at again: what is written is made of what stands there.
    let join_to = |of: &str| loop {
        if let Some(outcome) = join_once(store, of, asked, created, voice)? {
            return Ok::<_, Failed>(outcome);
        }
    };
    let outcome = join_to(of)?;
    let batch = store.job(of)?.and_then(|job| job.batch);
    if let (MemberAdded::Done(..), Some(batch)) = (&outcome, batch) {
        // Every other part of the batch has it too.
        let parts = whole_parts(store, &batch)?;
        let slot = slot_of(&parts, of);
        for other in standing(&parts).filter(|p| p.jobs().all(|j| j.id != of)) {
            if let Some(job) = slot.and_then(|i| other.slots.get(i)?.as_ref()) {
                join_to(&job.id)?;
            }
        }
    }
    Ok(outcome)
}

fn join_once(store: &Store, of: &str, asked: &AddMember, created: &str, voice: Asked) -> Result<Option<MemberAdded>, Failed> {
    let Some(first) = store.job(of)? else { return Ok(Some(MemberAdded::Missing)) };
    if asked.mate && first.mate.is_some() {
        return Ok(Some(MemberAdded::Mated));
    }
    let Document { read, whole: mut request, unknown } = stored::request(&first)?;
    let (new, title) = if let Some(text) = &asked.callout {
        let mut new = request_of(text, request["lathe_id"].as_str());
        if let Some(lathe) = request.get("lathe") {
            new["lathe"] = lathe.clone();
        }
        if let Some(material) = request.pointer("/blank/material") {
            new["blank"] = json!({ "material": material });
        }
        (new, format!("{}, {text}", first.title))
    } else if asked.same {
        (again(&request, &["mate", "pad", "sample"]), say!(Voice::default(), "title-the-other-end", title = &first.title))
    } else {
        let Some(side) = side_of(&read).map(Side::other) else {
            let fault = Fault::new("/mate", say!(Voice::default(), "srv-thread-must-known-before-mate"));
            return Ok(Some(MemberAdded::Faulty(vec![fault])));
        };
        if !request["mate"].is_object() {
            request["mate"] = json!({});
        }
        let mut new = mate_of(&request, side, asked.material.clone());
        reclass(&mut new, side);
        (
            new,
            if side == Side::Internal {
                say!(Voice::default(), "title-the-nut", title = &first.title)
            } else {
                say!(Voice::default(), "title-the-screw", title = &first.title)
            },
        )
    };
    let new_text = new.to_string();
    if let Err(faults) = keepable(store, &new, &unknown, voice)? {
        return Ok(Some(MemberAdded::Faulty(faults)));
    }
    let changed = (asked.mate && first.frozen.is_none()).then(|| request.to_string());
    let title = title_cut(asked.title.as_deref().unwrap_or(&title));
    let id = uuid::Uuid::new_v4().to_string();
    let revision = first.revision;
    let member = NewMember { id: &id, title: &title, request: &new_text, created, revision, mates: asked.mate, request_of_first: changed.as_deref() };
    match store.add_member(of, &member)? {
        Changed::Done(()) => {}
        Changed::Stale(()) => return Ok(None),
        Changed::Missing => return Ok(Some(MemberAdded::Missing)),
    }
    Ok(Some(match (store.job(&id)?, store.job(of)?) {
        (Some(job), Some(first)) => MemberAdded::Done(Box::new(view(store, &job, voice)?), Box::new((first.id, first.revision, first.sequence))),
        _ => MemberAdded::Missing,
    }))
}

/// Jobs of the two ends of the plug that proves a bore: as near its limits as they can be turned, its crests clear of the bore's roots.
#[utoipa::path(post, path = "/api/v1/jobs/{id}/gauge-to-turn", params(("id" = String, Path)),
    responses((status = 201, body = JobView), (status = 404, body = Problem), (status = 422, body = Problem)))]
pub async fn gauge_to_turn(State(app): State<App>, voice: Asked, Path(id): Path<String>) -> Result<(StatusCode, Json<JobView>), Problem> {
    let created = (app.clock)();
    let made = app.reckon(move |store| plug(store, &id, &created, voice)).await?;
    let view = made.ok_or_else(|| Problem::missing("job"))?.map_err(Problem::faulty)?;
    Ok((StatusCode::CREATED, Json(view)))
}

/// Turns of the end that must not go.
const NOT_GO_TURNS: f64 = 3.0;

fn plug(store: &Store, of: &str, created: &str, voice: Asked) -> Result<Option<Result<JobView, Vec<Fault>>>, Failed> {
    let Some(bore) = store.job(of)? else { return Ok(None) };
    let plan = match whole_of(store, &bore, voice)? {
        Ok((plan, ..)) => plan,
        Err(faults) => return Ok(Some(Err(faults))),
    };
    if plan.thread.side == Side::External || plan.thread.half_angle_deg == Some(0.0) {
        return Ok(Some(Err(vec![Fault::new("", say!(Voice::default(), "srv-plug-of-a-bore"))])));
    }
    let Document { whole: request, unknown, .. } = stored::request(&bore)?;
    let end = |size: f64, long: f64| {
        let mut end = mate_of(&request, Side::External, None);
        reclass(&mut end, Side::External);
        if let Some(map) = end.as_object_mut() {
            map.remove("mate");
        }
        end["thread"]["length_mm"] = json!((long * 2.0).ceil() / 2.0);
        end["gauge"] = json!({"original": {"pitch_diameter_mm": size}});
        end
    };
    let (go, not_go) = (plan.gauge.min_mm.value, plan.gauge.max_mm.value);
    let (go, not_go) = (end(go, plan.thread.length_mm.value), end(not_go, NOT_GO_TURNS * plan.thread.lead_mm.value));
    for request in [&go, &not_go] {
        if let Err(faults) = keepable(store, request, &unknown, voice)? {
            return Ok(Some(Err(faults)));
        }
    }
    let title = |id: &str| title_cut(&say!(Voice::default(), id, title = &bore.title));
    let [first, second] = [uuid::Uuid::new_v4(), uuid::Uuid::new_v4()].map(|id| id.to_string());
    let jobs = [(&first, "title-plug-go", &go), (&second, "title-plug-not-go", &not_go)].map(|(id, says, request)| (id, title(says), request.to_string()));
    store.add_part(&jobs.each_ref().map(|(id, title, request)| [id.as_str(), title, request]), created, None)?;
    store.job(&first)?.map(|job| view(store, &job, voice).map(Ok)).transpose()
}
