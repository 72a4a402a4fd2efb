//! The day's order: jobs of the board put so that gears, levers, compound and bit are changed least.

use crate::body::Sent;
use crate::jobs::planned_json;
use crate::pace::took;
use crate::parts::{standing, whole_parts};
use crate::problem::Problem;
use crate::route::PlannedRoute;
use crate::state::App;
use crate::stored::{self, Failed, apart};
use crate::voice::Asked;
use axum::Json;
use yoke_core::say;
use yoke_core::voice::Voice;

use axum::extract::State;
use serde::{Deserialize, Serialize};
use serde_json::{Value, json};
use std::collections::BTreeMap;
use utoipa::ToSchema;
use yoke_core::faults::Fault;
use yoke_core::gears::{Day, DayJob, DayStep, Setting, day_in_order_told, day_order};
use yoke_core::job::{LatheProfile, Mounted};
use yoke_core::route::{OpTook, time_says};
use yoke_store::{JobRow, Store};

/// The jobs of a day.
#[derive(Default, Deserialize, ToSchema)]
#[serde(default, deny_unknown_fields)]
pub struct DayBody {
    /// Their ids, in the order they stand now; the whole board when empty.
    jobs: Vec<String>,
}

/// The day in order, and what could not be put in it.
#[derive(Serialize, ToSchema)]
pub struct DayView {
    /// The jobs, in order.
    steps: Vec<DayLine>,
    /// Changes in all.
    changes: usize,
    /// Changes in the order given; of an order told, those the best would ask.
    as_given: usize,
    /// Jobs left out, by title: no thread yet, no train, or finished.
    left_out: Vec<String>,
    /// Whether the order is the user's own.
    told: bool,
    /// How long it all takes, lathe by lathe.
    takes: Vec<String>,
    /// What is done now: the job, and in words.
    #[serde(skip_serializing_if = "Option::is_none")]
    now: Option<WhatNow>,
}

/// A job of the day in its place, with what it takes and wants.
#[derive(Serialize, ToSchema)]
pub struct DayLine {
    /// Its place, and what is changed for it.
    #[serde(flatten)]
    step: DayStep,
    /// Whether it is in mid-cut.
    begun: bool,
    /// How long is left of it, of a batch over all its parts.
    takes: String,
    /// How long after the day's beginning its lathe is free of it.
    until: String,
    /// What must be at hand for it.
    at_hand: Vec<String>,
}

/// What is done now.
#[derive(Serialize, ToSchema)]
pub struct WhatNow {
    /// The job.
    job: String,
    /// Whether it is gone on with at the lathe, being in mid-cut.
    begun: bool,
    /// What is done, in words.
    says: String,
}

/// Whose sheet an order of the user's own is, and what it is kept as.
pub const OWNER: &str = "shop";
const KIND: &str = "day";

/// More jobs than this are no day.
const MOST: usize = 60;

/// The jobs a request names.
fn asked(Sent { read: asked, mut faults }: Sent<DayBody>) -> Result<Vec<String>, Problem> {
    if asked.jobs.len() > MOST {
        faults.push(Fault::new("/jobs", say!(Voice::default(), "srv-jobs-too-many-day-most", jobs = asked.jobs.len(), most = MOST)));
    }
    if faults.is_empty() { Ok(asked.jobs) } else { Err(Problem::faulty(faults)) }
}

/// Puts jobs in the order that changes least.
#[utoipa::path(post, path = "/api/v1/day", request_body = DayBody, responses((status = 200, body = DayView), (status = 422, body = Problem)))]
pub async fn day(State(app): State<App>, voice: Asked, body: Sent<DayBody>) -> Result<Json<DayView>, Problem> {
    let jobs = asked(body)?;
    app.reckon(move |store| put(store, jobs, false, voice)).await?.map(Json).map_err(Problem::faulty)
}

/// The day as it stands: in the user's own order where one was told, jobs made since after it; else in the one that changes least.
#[utoipa::path(get, path = "/api/v1/day", responses((status = 200, body = DayView)))]
pub async fn as_it_stands(State(app): State<App>, voice: Asked) -> Result<Json<DayView>, Problem> {
    app.reckon(move |store| stands(store, voice)).await?.map(Json).map_err(Problem::faulty)
}

fn stands(store: &Store, voice: Asked) -> Result<Result<DayView, Vec<Fault>>, Failed> {
    let Some(row) = store.sheet(OWNER, KIND)? else { return put(store, Vec::new(), false, voice) };
    let told: Vec<String> = stored::sheet(&row)?;
    let rows = on_board(store)?;
    let here = of_the_day(store, rows.clone())?;
    // A part of a batch stands for the part that is next now.
    let now = |id: &String| {
        let batch = rows.iter().find(|r| r.id == *id).and_then(|r| r.batch.as_ref());
        here.iter().find(|h| h.id == *id || batch.is_some() && h.batch.as_ref() == batch)
    };
    let mut ids: Vec<String> = Vec::new();
    for job in told.iter().filter_map(now).chain(&here) {
        if !ids.contains(&job.id) {
            ids.push(job.id.clone());
        }
    }
    ids.truncate(MOST);
    put(store, ids, true, voice)
}

/// Keeps an order of the user's own; none goes back to the one that changes least.
#[utoipa::path(put, path = "/api/v1/day", request_body = DayBody, responses((status = 200, body = DayView), (status = 422, body = Problem)))]
pub async fn put_day(State(app): State<App>, voice: Asked, body: Sent<DayBody>) -> Result<Json<DayView>, Problem> {
    let jobs = asked(body)?;
    let said = app
        .reckon(move |store| {
            // Looked through before it is kept.
            if let Err(faults) = put(store, jobs.clone(), true, voice)? {
                return Ok(Err(faults));
            }
            // The last order told stands, whoever told one before.
            store.set_sheet(OWNER, KIND, (!jobs.is_empty()).then(|| json!(jobs).to_string()).as_deref())?;
            stands(store, voice)
        })
        .await?;
    said.map(Json).map_err(Problem::faulty)
}

/// The jobs of the board; none that was put away.
fn on_board(store: &Store) -> Result<Vec<JobRow>, Failed> {
    Ok(store.jobs()?.into_iter().filter(|row| row.away.is_none()).collect())
}

/// The jobs a day is made of: of a batch the part that is next.
fn of_the_day(store: &Store, rows: Vec<JobRow>) -> Result<Vec<JobRow>, Failed> {
    let mut out: Vec<JobRow> = Vec::new();
    for row in rows {
        let Some(batch) = &row.batch else {
            out.push(row);
            continue;
        };
        if out.iter().any(|o| o.batch.as_ref() == Some(batch)) {
            continue;
        }
        for part in store.batch(batch)? {
            // One that does not read is not known to be finished.
            if apart(planned_json(store, &part))?.ok().flatten().is_none_or(|(_, finished)| !finished) {
                out.push(part);
                break;
            }
        }
    }
    Ok(out)
}

/// The jobs of these ids, or of the whole board, in the order told or in the one that changes least.
fn put(store: &Store, ids: Vec<String>, told: bool, voice: Asked) -> Result<Result<DayView, Vec<Fault>>, Failed> {
    let rows = on_board(store)?;
    let whole = if ids.is_empty() { of_the_day(store, rows.clone())? } else { Vec::new() };
    let mut chosen = Vec::new();
    let mut faults = Vec::new();
    if ids.is_empty() {
        chosen.extend(whole.iter().take(MOST));
    }
    for (i, id) in ids.iter().enumerate() {
        match rows.iter().find(|r| r.id == *id) {
            Some(row) if chosen.iter().any(|c: &&JobRow| c.id == row.id) => {
                faults.push(Fault::new(format!("/jobs/{i}"), say!(Voice::default(), "srv-named-twice", id = &id)))
            }
            Some(row) => chosen.push(row),
            None => faults.push(Fault::new(format!("/jobs/{i}"), say!(Voice::default(), "srv-there-no-job-board", id = &id))),
        }
    }
    if !faults.is_empty() {
        return Ok(Err(faults));
    }
    let (mut jobs, mut left_out, mut plans) = (Vec::new(), Vec::new(), Vec::new());
    for row in chosen {
        // One that does not read is left out by name, and says why where it is opened.
        let plan = apart(planned_json(store, row))?.ok().flatten().filter(|(_, finished)| !finished).map(|(plan, _)| plan);
        match plan.and_then(|plan| Some((setting(&plan)?, plan))) {
            Some(((lathe, setting), plan)) => {
                // Made second, it comes after the one it is fitted to.
                let second = plan.pointer("/pair/first").and_then(Value::as_bool) == Some(false);
                let after = row.mate.clone().filter(|_| second);
                jobs.push(DayJob { id: row.id.clone(), title: row.title.clone(), lathe, setting, begun: row.frozen.is_some(), after });
                plans.push((row.clone(), plan));
            }
            None => left_out.push(row.title.clone()),
        }
    }
    let profiles: Vec<LatheProfile> = store.lathes()?.iter().map(|l| stored::lathe(l).map(|d| d.read)).collect::<Result<_, _>>()?;
    let now = |name: &str| {
        let on = profiles.iter().find(|p| p.name.as_deref() == Some(name)).and_then(|p| p.mounted.clone()).unwrap_or_default();
        let teeth = |list: Option<Vec<i64>>| list.unwrap_or_default().into_iter().filter_map(|t| u16::try_from(t).ok()).collect();
        // Where there is only one position nothing is to be moved to it.
        let levers = profiles.iter().find(|p| p.name.as_deref() == Some(name)).and_then(|p| p.gearbox.clone()).unwrap_or_default();
        let gearbox = match levers.as_slice() {
            [] => "direct".to_owned(),
            [only] => only.name.clone(),
            _ => String::new(),
        };
        Setting { gearbox, train: Mounted { drivers: teeth(on.drivers), driven: teeth(on.driven) }, ..Setting::default() }
    };
    let day = if told { day_in_order_told(&jobs, &now, voice.plain()) } else { day_order(&jobs, &now, voice.plain()) };
    let now = what_now(&day, &jobs, &plans, voice.plain());
    let (steps, takes) = timed(store, &day, &jobs, &plans, voice)?;
    Ok(Ok(DayView { steps, changes: day.changes, as_given: day.as_given, left_out, told, takes, now }))
}

/// The jobs of a day with what each takes and wants, and how long each lathe is at work.
fn timed(store: &Store, day: &Day, jobs: &[DayJob], plans: &[(JobRow, Value)], voice: Asked) -> Result<(Vec<DayLine>, Vec<String>), Failed> {
    let spoken = voice.plain();
    let mut busy: Vec<(String, f64)> = Vec::new();
    let mut lines = Vec::new();
    let mut left = Left { store, took: took(store)?, voice, of_part: BTreeMap::new() };
    for step in &day.steps {
        let Some((row, plan)) = plans.iter().find(|(row, _)| row.id == step.id) else { continue };
        let minutes = left.of(row)?;
        let at = busy.iter().position(|b| b.0 == step.lathe).unwrap_or_else(|| {
            busy.push((step.lathe.clone(), 0.0));
            busy.len() - 1
        });
        busy[at].1 += minutes;
        lines.push(DayLine {
            begun: jobs.iter().any(|j| j.id == step.id && j.begun),
            takes: time_says(minutes, spoken),
            until: time_says(busy[at].1, spoken),
            at_hand: at_hand(step, plan, jobs, spoken),
            step: step.clone(),
        });
    }
    let takes = busy.into_iter().map(|(lathe, min)| say!(spoken, "day-lathe-takes", lathe = lathe, time = time_says(min, spoken))).collect();
    Ok((lines, takes))
}

/// What is left of the jobs of a day, by their routes: a route is planned once, however many jobs of the day are in it.
struct Left<'a> {
    store: &'a Store,
    took: Vec<OpTook>,
    voice: Asked,
    of_part: BTreeMap<String, BTreeMap<String, f64>>,
}

impl Left<'_> {
    /// Minutes left of a job: of a batch, of every part that stands.
    fn of(&mut self, row: &JobRow) -> Result<f64, Failed> {
        let Some(batch) = &row.batch else {
            let part = row.part.as_ref().unwrap_or(&row.id);
            if !self.of_part.contains_key(part) {
                self.of_part.insert(part.clone(), self.by_route(row)?);
            }
            let left = &self.of_part[part];
            return Ok(if left.len() > 1 { left.get(&row.id).copied().unwrap_or_default() } else { left.values().sum() });
        };
        let parts = whole_parts(self.store, batch)?;
        let firsts = standing(&parts).filter_map(|part| part.jobs().next());
        firsts.map(|first| Ok(self.by_route(first)?.values().sum::<f64>())).sum()
    }

    /// Minutes left of each job of the route this one is in.
    fn by_route(&self, row: &JobRow) -> Result<BTreeMap<String, f64>, Failed> {
        let ready = PlannedRoute::of(self.store, row, self.voice)?;
        let (route, _) = ready.route(self.store)?;
        Ok(ready.said(self.store, &route, &self.took)?.left_min)
    }
}

/// What must be at hand for a job: what of the drawer its blank wants, its bit, its wires, its mate.
fn at_hand(step: &DayStep, plan: &Value, jobs: &[DayJob], voice: Voice) -> Vec<String> {
    let text = |at: &str| plan.pointer(at).and_then(Value::as_str).map(str::to_owned);
    let list = plan.pointer("/blank/at_hand").and_then(Value::as_array).into_iter().flatten();
    let mut out: Vec<String> = list.filter_map(|h| h["says"].as_str().map(str::to_owned)).collect();
    out.extend(text("/bit/says"));
    out.extend(text("/gauge/wire_mm/text").map(|mm| say!(voice, "day-wires", mm = mm)));
    let first = jobs.iter().find(|j| j.id == step.id).and_then(|j| j.after.as_ref());
    out.extend(first.and_then(|id| jobs.iter().find(|j| j.id == *id)).map(|j| say!(voice, "day-mate", title = &j.title)));
    out
}

/// What is done now: whatever is in mid-cut, else the day's first.
fn what_now(day: &Day, jobs: &[DayJob], plans: &[(JobRow, Value)], voice: Voice) -> Option<WhatNow> {
    let begun = |s: &&DayStep| jobs.iter().any(|j| j.id == s.id && j.begun);
    let step = day.steps.iter().find(begun).or_else(|| day.steps.first())?;
    let (title, lathe) = (&step.title, &step.lathe);
    let first = plans.iter().find(|(row, _)| row.id == step.id).and_then(|(_, plan)| plan.pointer("/blank/says")?.as_str());
    let says = match (begun(&step), step.changes.is_empty()) {
        (true, _) => say!(voice, "day-now-on", title = title, lathe = lathe),
        (false, true) => say!(voice, "day-now-blank", title = title, lathe = lathe, blank = first.unwrap_or_default()),
        (false, false) => say!(voice, "day-now-change", title = title, lathe = lathe, changes = step.changes.join("; ")),
    };
    Some(WhatNow { job: step.id.clone(), begun: begun(&step), says })
}

/// What a plan needs set, if anything is, and the lathe it is for.
fn setting(plan: &Value) -> Option<(String, Option<Setting>)> {
    // On no lathe there is nothing to change over.
    if plan["assumptions"].as_array().is_some_and(|list| list.iter().any(|a| a["pointer"] == "/lathe")) {
        return None;
    }
    // A die or a tap leaves the lathe as it stands.
    if let Some(lathe) = plan.pointer("/chaser/lathe").and_then(Value::as_str) {
        return Some((lathe.to_owned(), None));
    }
    let train = plan.pointer("/gears/hung/train")?;
    let teeth = |side: &str| train[side].as_array().into_iter().flatten().filter_map(|t| u16::try_from(t.as_u64()?).ok()).collect();
    Some((
        plan.pointer("/gears/lathe")?.as_str()?.to_owned(),
        Some(Setting {
            train: Mounted { drivers: teeth("drivers"), driven: teeth("driven") },
            gearbox: train["gearbox"].as_str().unwrap_or_default().to_owned(),
            compound_deg: plan.pointer("/cut/angle_deg").and_then(Value::as_f64).filter(|a| *a > 0.0),
            bit_deg: plan.pointer("/thread/included_angle_deg").and_then(Value::as_f64),
        }),
    ))
}
