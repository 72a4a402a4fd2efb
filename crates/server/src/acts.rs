//! Acts: append-only, made by the client; refused as stale only where their sender saw other facts than the cut is begun on.

use crate::batch;
use crate::body::Sent;
use crate::jobs::{JobView, inputs, name_fault, view};
use crate::planning::FirstPlan;
use crate::problem::Problem;
use crate::state::{App, JobChanged};
use crate::stored::{self, Failed, acts};
use crate::voice::Asked;
use axum::Json;
use yoke_core::say;

use axum::extract::{Path, State};
use serde::Deserialize;
use serde_json::Value;
use std::sync::{Arc, Mutex, PoisonError};
use utoipa::ToSchema;
use yoke_core::batch::check_sized;
use yoke_core::faults::{Fault, read_tagged};
use yoke_core::log::{Act, ActKind, RunState, fold};
use yoke_core::voice::Voice;
use yoke_store::{ActRow, Begun, Frozen, JobRow, NewAct, Recorded, Store};

/// An act as sent.
#[derive(Default, Deserialize, ToSchema)]
#[serde(default, deny_unknown_fields)]
pub struct ActBody {
    /// What was done.
    #[schema(value_type = ActKind)]
    act: Value,
    /// When it happened, by the client's clock.
    happened: Option<String>,
    /// The sequence the client had seen; the present one when absent.
    seen: Option<i64>,
    /// `typed`, or the device's name.
    source: Option<String>,
    /// The revision of the facts the client had seen; the present one when absent.
    revision: Option<i64>,
}

enum Outcome {
    /// Recorded; whether others' plans may have moved with it.
    Done(Box<JobView>, bool),
    Different,
    Stale(Box<JobView>),
    Faulty(Vec<Fault>),
    Missing,
}

impl ActBody {
    /// An act an instrument saw, by who had heard of so many before it.
    pub(crate) fn seen_by(source: String, seen: i64) -> Self {
        Self { source: Some(source), seen: Some(seen), ..Self::default() }
    }
}

/// Records an act. The same again gives the first answer; a different body under the same id is 409.
#[utoipa::path(put, path = "/api/v1/jobs/{id}/acts/{act}", params(("id" = String, Path), ("act" = String, Path)), request_body = ActBody,
    responses((status = 200, body = JobView), (status = 409, body = Problem), (status = 422, body = Problem)))]
pub async fn record(
    State(app): State<App>,
    voice: Asked,
    Path((job, act)): Path<(String, String)>,
    Sent { read: sent, mut faults }: Sent<ActBody>,
) -> Result<Json<JobView>, Problem> {
    faults.extend(name_fault("/id", &act));
    let told = read_act("/act", &sent.act, voice.plain(), &mut faults);
    faults.extend(sent.happened.as_deref().and_then(|at| time_fault("/happened", at)));
    if sent.source.as_ref().is_some_and(|s| s.trim().is_empty() || s.chars().count() > 64 || s.chars().any(char::is_control)) {
        faults.push(Fault::new("/source", say!(Voice::default(), "srv-source-typed-devices-name-most")));
    }
    let (Some(told), true) = (told, faults.is_empty()) else { return Err(Problem::faulty(faults)) };
    // What the instrument marked already is not told a second time.
    let twice = app.follows.told_again(&job, &act, &told);
    put(&app, voice, (job, act), (told, sent, twice)).await
}

/// Records what was read; what is told a second time is answered as the first.
pub(crate) async fn put(
    app: &App,
    voice: Asked,
    (job, act): (String, String),
    (told, sent, twice): (ActKind, ActBody, bool),
) -> Result<Json<JobView>, Problem> {
    let recorded = (app.clock)();
    let row = ActRow {
        id: act,
        sequence: 0,
        body: serde_json::to_string(&told)?,
        happened: sent.happened.clone().unwrap_or_else(|| recorded.clone()),
        recorded,
        source: sent.source.clone().unwrap_or_else(|| "typed".into()),
        seen: sent.seen.unwrap_or(0),
    };
    let turn = Arc::clone(&app.acts);
    match app.with_store(move |store| keep(store, &turn, &job, &row, (&told, &sent, twice), voice)).await? {
        Outcome::Done(view, others) => {
            JobChanged::tell(app, view.id(), view.revision(), view.sequence());
            if others {
                JobChanged::tell_all(app);
            }
            Ok(Json(*view))
        }
        Outcome::Different => Err(Problem::conflict("/problems/act-differs", say!(Voice::default(), "srv-act-recorded-already-says-something"), None)),
        Outcome::Stale(now) => {
            Err(Problem::conflict("/problems/stale", say!(Voice::default(), "srv-told-job-plan-hangs-changed"), serde_json::to_value(now).ok()))
        }
        Outcome::Faulty(faults) => Err(Problem::faulty(faults)),
        Outcome::Missing => Err(Problem::missing("job")),
    }
}

/// Reads an act that stands at a place of a body; all that is wrong with it is noted, whether it reads or not.
pub fn read_act(at: &str, whole: &Value, voice: Voice, faults: &mut Vec<Fault>) -> Option<ActKind> {
    let mut note = |field: String, detail: String| faults.push(Fault::new(format!("{at}{field}"), detail));
    match read_tagged::<ActKind>(whole) {
        Ok(act) => {
            let wrong = yoke_core::trouble::check_act(&act, voice).err().unwrap_or_default();
            wrong.into_iter().for_each(|(field, detail)| note(field.into(), detail));
            Some(act)
        }
        Err(wrong) => {
            wrong.into_iter().for_each(|f| note(f.pointer, f.detail));
            None
        }
    }
}

/// A time as RFC 3339 has it.
pub fn time_fault(at: &str, time: &str) -> Option<Fault> {
    let reads = chrono::DateTime::parse_from_rfc3339(time).is_ok();
    (!reads).then(|| Fault::new(at, say!(Voice::default(), "srv-time-wanted-2026-11-26t140500z")))
}

/// The plan a job begins with, to be frozen with its first act; in the job's own voice, whatever the screen speaks.
pub(crate) fn begun(store: &Store, job: &JobRow) -> Result<Result<Begun, Vec<Fault>>, Failed> {
    Ok(inputs(store, job, Asked::default())?.begun().and_then(|FirstPlan { plan, from, mounted }| {
        let text = |it: serde_json::Result<String>| it.map_err(|e| vec![Fault::new("", say!(Voice::default(), "srv-plan-cannot-kept", why = e.to_string()))]);
        let frozen = Frozen {
            plan: text(serde_json::to_string(&plan))?,
            run: text(serde_json::to_string(&plan.run))?,
            engine: plan.engine.to_owned(),
            facts: Some(text(serde_json::to_string(&from))?),
        };
        Ok(Begun { frozen, revision: job.revision, mounted })
    }))
}

/// Records an act, judged by those before it. A plan it begins with is made before its turn comes, so that a long one holds up no other;
/// where the job moved on meanwhile it is made again.
fn keep(store: &Store, turn: &Mutex<()>, job: &str, row: &ActRow, (act, sent, twice): (&ActKind, &ActBody, bool), voice: Asked) -> Result<Outcome, Failed> {
    loop {
        let Some(found) = store.job(job)? else { return Ok(Outcome::Missing) };
        let begins = match (act.begins() && found.frozen.is_none()).then(|| begun(store, &found)).transpose()? {
            Some(Err(faults)) => return Ok(Outcome::Faulty(faults)),
            begins => begins.and_then(Result::ok),
        };
        let _turn = turn.lock().unwrap_or_else(PoisonError::into_inner);
        let Some(found) = store.job(job)? else { return Ok(Outcome::Missing) };
        let told = acts(store, &found)?;
        let known = told.iter().any(|a| a.id == row.id);
        if !known {
            if twice || cut_already(&told, act, sent.seen) {
                return Ok(Outcome::Done(Box::new(view(store, &found, voice)?), false));
            }
            if let Some(faults) = against(store, &found, begins.as_ref(), &told, act, voice)? {
                return Ok(Outcome::Faulty(faults));
            }
        }
        let moves_mate = act.begins() || act.goes_on() || matches!(act, ActKind::Undone { .. } | ActKind::Scrapped { .. });
        let new = NewAct { row, revision: sent.revision, after: found.sequence, begins: begins.as_ref(), moves_mate };
        match store.record(job, &new)? {
            Recorded::Done(_) => {
                let others = begins.is_some() || moves_mate && found.mate.is_some();
                let now = store.job(job)?.map(|j| view(store, &j, voice)).transpose()?;
                return Ok(now.map_or(Outcome::Missing, |v| Outcome::Done(Box::new(v), others)));
            }
            Recorded::Different => return Ok(Outcome::Different),
            Recorded::Stale => return Ok(Outcome::Stale(Box::new(view(store, &found, voice)?))),
            Recorded::Missing => return Ok(Outcome::Missing),
            Recorded::Moved => {}
        }
    }
}

/// What stands against an act, as the run stands; none when it may be recorded.
fn against(store: &Store, job: &JobRow, begins: Option<&Begun>, told: &[Act], act: &ActKind, voice: Asked) -> Result<Option<Vec<Fault>>, Failed> {
    let spoken = voice.of_job(job);
    let fault = |(field, detail)| Some(vec![Fault::new(format!("/act{field}"), detail)]);
    if let ActKind::Sized { name, mm } = act
        && let Err(wrong) = check_sized(name, *mm, &batch::plain_of(store, job)?, spoken)
    {
        return Ok(fault(wrong));
    }
    // Where the dial stands is judged against the frozen run; what only goes on, against how the run stands.
    let frozen = job.frozen.as_ref().or(begins.map(|b| &b.frozen));
    let run = frozen.map(|f| stored::frozen_run(job, f)).transpose()?;
    if let Some(Err(wrong)) = run.as_ref().map(|r| r.check(act, spoken)) {
        return Ok(fault(wrong));
    }
    let stands = || run.as_ref().map_or_else(|| RunState::unbegun(act, spoken), |r| fold(r, told, spoken).check(act, spoken));
    Ok(if act.goes_on() { stands().err().and_then(fault) } else { None })
}

/// Whether the same pass was told as cut by another that this sender had not heard of: two hands at two screens cut one pass.
fn cut_already(told: &[Act], act: &ActKind, seen: Option<i64>) -> bool {
    let (ActKind::PassDone { n, .. }, Some(seen)) = (act, seen) else { return false };
    let heard_of = usize::try_from(seen).unwrap_or(0);
    let undone = |id: &str| told.iter().any(|a| matches!(&a.kind, ActKind::Undone { act } if act == id));
    told.iter().skip(heard_of).any(|a| matches!(&a.kind, ActKind::PassDone { n: other, .. } if other == n) && !undone(&a.id))
}
