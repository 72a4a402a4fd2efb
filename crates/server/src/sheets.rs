//! What is drawn of a job on request, beside its plan: the set-up, and the groove as simulated.

use crate::jobs::{acts, facts, frozen_run};
use crate::planning::{Whole, whole_with_store};
use crate::problem::Problem;
use crate::state::App;
use axum::Json;
use axum::extract::{Path, State};
use yoke_core::log::fold;
use yoke_core::paper::{Papers, papers};
use yoke_core::route::Member;
use yoke_core::sheets::{GaugeSheet, GrooveSheet, SetupSheet, gauge_sheet, groove_sheet, setup_sheet};
use yoke_core::trouble::{JobEvidence, TroubleSheet, trouble_sheet};

/// The plan of a stored job from its facts as they stand, with what it was reckoned from. A job begun keeps its facts.
pub async fn whole(app: &App, id: String) -> Result<Whole, Problem> {
    let found = app
        .with_store(move |store| {
            let Some(job) = store.job(&id)? else { return Ok(None) };
            Ok(Some(whole_with_store(store, facts(store, &job)?)?))
        })
        .await?;
    found.ok_or_else(|| Problem::missing("job"))?.map_err(Problem::faulty)
}

/// The set-up: the picture, the speeds, the steps, the cautions.
#[utoipa::path(get, path = "/api/v1/jobs/{id}/setup", params(("id" = String, Path)), responses((status = 200, body = SetupSheet), (status = 404, body = Problem), (status = 422, body = Problem)))]
pub async fn setup(State(app): State<App>, Path(id): Path<String>) -> Result<Json<SetupSheet>, Problem> {
    let (plan, job, lathe, _) = whole(&app, id).await?;
    Ok(Json(setup_sheet(&plan, &job, &lathe)))
}

/// The groove pass by pass, and what a mistake would do to it.
#[utoipa::path(get, path = "/api/v1/jobs/{id}/groove", params(("id" = String, Path)), responses((status = 200, body = GrooveSheet), (status = 404, body = Problem), (status = 422, body = Problem)))]
pub async fn groove(State(app): State<App>, Path(id): Path<String>) -> Result<Json<GrooveSheet>, Problem> {
    let (plan, ..) = whole(&app, id).await?;
    Ok(Json(groove_sheet(&plan)))
}

/// Every wire of the drawer judged, and the other ways of reading the size.
#[utoipa::path(get, path = "/api/v1/jobs/{id}/gauge", params(("id" = String, Path)), responses((status = 200, body = GaugeSheet), (status = 404, body = Problem), (status = 422, body = Problem)))]
pub async fn gauging(State(app): State<App>, Path(id): Path<String>) -> Result<Json<GaugeSheet>, Problem> {
    let (plan, _, _, kit) = whole(&app, id).await?;
    Ok(Json(gauge_sheet(&plan, &kit)))
}

/// From what is wrong to what may be behind it, by this job's own numbers.
#[utoipa::path(get, path = "/api/v1/jobs/{id}/trouble", params(("id" = String, Path)), responses((status = 200, body = TroubleSheet), (status = 404, body = Problem), (status = 422, body = Problem)))]
pub async fn troubles(State(app): State<App>, Path(id): Path<String>) -> Result<Json<TroubleSheet>, Problem> {
    let (plan, job, lathe, _) = whole(&app, id.clone()).await?;
    let (acts, frozen) = app
        .with_store(move |store| {
            let frozen = store.job(&id)?.and_then(|job| frozen_run(&job));
            Ok((acts(store, &id)?, frozen))
        })
        .await?;
    let run = frozen.map(|f| fold(&f, &acts));
    Ok(Json(trouble_sheet(&JobEvidence::of((&plan, &job, &lathe), run.as_ref(), &acts))))
}

/// What is printed of a job.
#[utoipa::path(get, path = "/api/v1/jobs/{id}/paper", params(("id" = String, Path)), responses((status = 200, body = Papers), (status = 404, body = Problem), (status = 422, body = Problem)))]
pub async fn paper(State(app): State<App>, Path(id): Path<String>) -> Result<Json<Papers>, Problem> {
    let (plan, facts, lathe, _) = whole(&app, id.clone()).await?;
    Ok(Json(papers(&Member { job: &id, title: "", plan: &plan, facts: &facts, lathe: &lathe, apart: false, mate: None, proven: false })))
}
