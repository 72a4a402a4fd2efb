//! Acts: append-only, made by the client, never refused as stale.

use crate::batch;
use crate::body::JsonBody;
use crate::jobs::{JobView, acts, facts, view};
use crate::planning::plan_with_store;
use crate::problem::Problem;
use crate::state::{App, JobChanged};
use axum::Json;

use axum::extract::{Path, State};
use serde::Deserialize;
use serde_json::Value;
use utoipa::ToSchema;
use yoke_core::batch::check_sized;
use yoke_core::faults::Fault;
use yoke_core::log::{ActKind, RunState, fold};
use yoke_core::plan::Plan;
use yoke_core::run::RunPlan;
use yoke_store::{ActRow, Frozen, Recorded, Store, StoreError};

/// An act as sent.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct ActBody {
    /// What was done.
    act: ActKind,
    /// When it happened, by the client's clock.
    happened: Option<String>,
    /// The sequence the client had seen.
    #[serde(default)]
    seen: i64,
    /// `typed`, or the device's name.
    source: Option<String>,
}

enum Outcome {
    Done(Box<JobView>),
    Different,
    Faulty(Vec<Fault>),
    Missing,
}

/// Records an act. The same again gives the first answer; a different body under the same id is 409.
#[utoipa::path(put, path = "/api/v1/jobs/{id}/acts/{act}", params(("id" = String, Path), ("act" = String, Path)), request_body = ActBody,
    responses((status = 200, body = JobView), (status = 409, body = Problem), (status = 422, body = Problem)))]
pub async fn record(State(app): State<App>, Path((job, act)): Path<(String, String)>, JsonBody(body): JsonBody) -> Result<Json<JobView>, Problem> {
    let sent = read(body)?;
    if act.is_empty() || act.len() > 64 {
        return Err(Problem::fault("/id", "an act's id has 1 to 64 characters"));
    }
    if let Err((field, detail)) = yoke_core::trouble::check_act(&sent.act) {
        return Err(Problem::fault(&format!("/act{field}"), detail));
    }
    let recorded = (app.clock)();
    let row = ActRow {
        id: act,
        sequence: 0,
        body: serde_json::to_string(&sent.act)?,
        happened: sent.happened.unwrap_or_else(|| recorded.clone()),
        recorded,
        source: sent.source.unwrap_or_else(|| "typed".into()),
        seen: sent.seen,
    };
    match app.with_store(move |store| keep(store, &job, &row, &sent.act)).await? {
        Outcome::Done(view) => {
            JobChanged::tell(&app, view.id(), view.revision(), view.sequence());
            Ok(Json(*view))
        }
        Outcome::Different => Err(Problem::conflict("/problems/act-differs", "That act is recorded already, and says something else.", None)),
        Outcome::Faulty(faults) => Err(Problem::faulty(faults)),
        Outcome::Missing => Err(Problem::missing("job")),
    }
}

/// Reads the body, saying which field is wrong.
fn read(value: Value) -> Result<ActBody, Problem> {
    let act_only = value.get("act").cloned();
    serde_json::from_value(value).map_err(|whole| match act_only.map(serde_json::from_value::<ActKind>) {
        Some(Err(inner)) => Problem::fault("/act", format!("the act does not read: {inner}")),
        _ => Problem::fault("", format!("an object with act, happened, seen and source is wanted: {whole}")),
    })
}

/// The plan a run begins with. Its first pass says that its gears are on: so they are noted on its lathe, and the check frozen with it
/// says so too.
pub(crate) fn begun(store: &Store, request: Value) -> Result<Result<Plan, Vec<Fault>>, StoreError> {
    let plan = match plan_with_store(store, request.clone())? {
        Ok(plan) => plan,
        Err(faults) => return Ok(Err(faults)),
    };
    let (Some(hung), Some(row)) = (&plan.gears.hung, request["lathe_id"].as_str().map(|id| store.lathe(id)).transpose()?.flatten()) else {
        return Ok(Ok(plan));
    };
    if hung.train.swaps == 0 {
        return Ok(Ok(plan));
    }
    // A profile that does not read is nothing to write over.
    let Ok(mut profile) = serde_json::from_str::<Value>(&row.body) else { return Ok(Ok(plan)) };
    profile["mounted"] = serde_json::json!({"drivers": hung.train.drivers, "driven": hung.train.driven});
    store.put_lathe(&row.id, &profile.to_string())?;
    plan_with_store(store, request)
}

fn keep(store: &Store, job: &str, row: &ActRow, act: &ActKind) -> Result<Outcome, StoreError> {
    let Some(found) = store.job(job)? else { return Ok(Outcome::Missing) };
    let freeze = if act.begins() && found.frozen.is_none() {
        match begun(store, facts(store, &found)?)? {
            Ok(plan) => match (serde_json::to_string(&plan), serde_json::to_string(&plan.run)) {
                (Ok(whole), Ok(run)) => Some(Frozen { plan: whole, run, engine: plan.engine.to_owned() }),
                _ => None,
            },
            Err(faults) => return Ok(Outcome::Faulty(faults)),
        }
    } else {
        None
    };
    if let ActKind::Sized { name, mm } = act
        && let Err((field, detail)) = check_sized(name, *mm, &batch::plain_of(store, &found)?)
    {
        return Ok(Outcome::Faulty(vec![Fault::new(format!("/act{field}"), detail)]));
    }
    // Where the dial stands is judged against the frozen run; what only goes on, against how the run stands.
    let fault = |(field, detail)| Ok(Outcome::Faulty(vec![Fault::new(format!("/act{field}"), detail)]));
    let run = || freeze.as_ref().or(found.frozen.as_ref()).and_then(|f| serde_json::from_str::<RunPlan>(&f.run).ok());
    if let Some(Err(wrong)) = run().map(|r| r.check(act)) {
        return fault(wrong);
    }
    if act.goes_on() {
        // The same act sent again is answered as it was, whatever has happened since.
        let told = acts(store, job)?;
        let stands = run().map(|r| fold(&r, &told));
        let known = told.iter().any(|a| a.id == row.id);
        if let (false, Err(wrong)) = (known, stands.map_or_else(|| RunState::unbegun(act), |s| s.check(act))) {
            return fault(wrong);
        }
    }
    match store.record(job, row, freeze.as_ref())? {
        Recorded::Done(_) => Ok(store.job(job)?.map(|j| view(store, &j)).transpose()?.map_or(Outcome::Missing, |v| Outcome::Done(Box::new(v)))),
        Recorded::Different => Ok(Outcome::Different),
        Recorded::Missing => Ok(Outcome::Missing),
    }
}
