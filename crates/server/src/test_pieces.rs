//! Test pieces: the same job on scrap first, and what it found, for its part to take over.

use crate::jobs::{JobView, keepable, title_cut, view, whole_of};
use crate::members::again;
use crate::problem::Problem;
use crate::state::App;
use crate::stored::{self, Document, Failed};
use crate::voice::Asked;
use axum::Json;
use axum::extract::{Path, State};
use axum::http::StatusCode;
use serde::Serialize;
use serde_json::json;
use utoipa::ToSchema;
use yoke_core::batch::{Correction, TestPieceFacts, corrections};
use yoke_core::job::PlanRequest;
use yoke_core::log::fold;
use yoke_core::say;
use yoke_core::voice::Voice;
use yoke_store::{JobRow, Store};

/// What its sheet is kept as.
pub const KIND: &str = "test_piece";

/// A test piece of a job, and what it found.
#[derive(Serialize, ToSchema)]
pub struct TestPieceView {
    /// Its own job.
    job: String,
    /// That job's title.
    title: String,
    /// Whether it is begun.
    begun: bool,
    /// What it found that the part is not told yet, each to be taken over by itself.
    corrections: Vec<Correction>,
}

/// Makes a test piece of a job: a job of its own with the same facts, none of what was measured of the part's own metal.
#[utoipa::path(post, path = "/api/v1/jobs/{id}/test-piece", params(("id" = String, Path)),
    responses((status = 201, body = JobView), (status = 404, body = Problem), (status = 409, body = Problem), (status = 422, body = Problem)))]
pub async fn make_test_piece(State(app): State<App>, voice: Asked, Path(id): Path<String>) -> Result<(StatusCode, Json<JobView>), Problem> {
    let created = (app.clock)();
    let made = app.reckon(move |store| make(store, &id, &created, voice)).await?;
    Ok((StatusCode::CREATED, Json(made.ok_or_else(|| Problem::missing("job"))??)))
}

fn make(store: &Store, of: &str, created: &str, voice: Asked) -> Result<Option<Result<JobView, Problem>>, Failed> {
    let Some(part) = store.job(of)? else { return Ok(None) };
    if store.sheet(of, KIND)?.is_some() {
        return Ok(Some(Err(Problem::conflict("/problems/test-piece", say!(Voice::default(), "srv-test-piece-of-one"), None))));
    }
    let Document { whole: request, unknown, .. } = stored::request(&part)?;
    let request = again(&request, &["pad", "sample"]);
    if let Err(faults) = keepable(store, &request, &unknown, voice)? {
        return Ok(Some(Err(Problem::faulty(faults))));
    }
    let id = uuid::Uuid::new_v4().to_string();
    let title = title_cut(&say!(Voice::default(), "title-test-piece", title = &part.title));
    let kept = json!(TestPieceFacts { of: of.to_owned() }).to_string();
    store.add_part(&[[&id, &title, &request.to_string()]], created, Some([KIND, &kept]))?;
    store.job(&id)?.map(|job| view(store, &job, voice).map(Ok)).transpose()
}

/// The test pieces of a job, and what each found.
#[utoipa::path(get, path = "/api/v1/jobs/{id}/test-pieces", params(("id" = String, Path)),
    responses((status = 200, body = [TestPieceView]), (status = 404, body = Problem), (status = 422, body = Problem)))]
pub async fn test_pieces(State(app): State<App>, voice: Asked, Path(id): Path<String>) -> Result<Json<Vec<TestPieceView>>, Problem> {
    let found = app.reckon(move |store| all(store, &id, voice)).await?;
    found.map(Json).ok_or_else(|| Problem::missing("job"))
}

fn all(store: &Store, of: &str, voice: Asked) -> Result<Option<Vec<TestPieceView>>, Failed> {
    let Some(part) = store.job(of)? else { return Ok(None) };
    let (spoken, request) = (voice.of_job(&part), stored::request(&part)?.read);
    let mut pieces = Vec::new();
    for row in store.sheets_of(KIND)? {
        let kept: TestPieceFacts = stored::sheet(&row)?;
        if kept.of != of {
            continue;
        }
        if let Some(job) = store.job(&row.owner)? {
            let corrections = found(store, &request, &job, (voice, spoken))?;
            pieces.push(TestPieceView { corrections, begun: job.frozen.is_some(), job: job.id, title: job.title });
        }
    }
    Ok(Some(pieces))
}

/// What one found, as its part speaks; nothing of one that is not begun, or has no single point.
fn found(store: &Store, part: &PlanRequest, job: &JobRow, (voice, spoken): (Asked, Voice)) -> Result<Vec<Correction>, Failed> {
    let (Some(run), Ok((plan, ..))) = (stored::run(job)?, whole_of(store, job, voice)?) else { return Ok(Vec::new()) };
    let Some(plan) = plan.pointed() else { return Ok(Vec::new()) };
    let run = fold(&run, &stored::acts(store, job)?, spoken);
    Ok(corrections([part, &stored::request(job)?.read], &plan, &run, spoken))
}
