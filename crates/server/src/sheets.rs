//! What is drawn of a job on request, beside its plan: the set-up, and the groove as simulated.

use crate::body::Sent;
use crate::jobs::whole_of;
use crate::planning::Whole;
use crate::problem::Problem;
use crate::state::App;
use crate::stored::{self, acts};
use crate::voice::Asked;
use axum::Json;
use axum::extract::{Path, State};
use yoke_core::log::fold;
use yoke_core::paper::{Papers, papers};
use yoke_core::plan::{Plan, Pointed};
use yoke_core::route::{MakersSheet, Member, makers};
use yoke_core::say;
use yoke_core::sheets::{GaugeSheet, GrooveSheet, SetupSheet, ThreadSheet, WaysSheet, gauge_sheet, groove_sheet, setup_sheet, thread_sheet, ways_sheet};
use yoke_core::sheets::{OwnFigure, OwnFigureView, own_figure};
use yoke_core::trouble::{JobEvidence, TroubleSheet, trouble_sheet};

/// Makes something of the plan of a stored job: of one begun, of the plan it was begun on.
pub async fn of_plan<T: Send + 'static>(app: &App, id: String, voice: Asked, make: impl FnOnce(&Whole) -> T + Send + 'static) -> Result<T, Problem> {
    let found = app
        .reckon(move |store| {
            let Some(job) = store.job(&id)? else { return Ok(None) };
            Ok(Some(whole_of(store, &job, voice)?.map(|whole| make(&whole))))
        })
        .await?;
    found.ok_or_else(|| Problem::missing("job"))?.map_err(Problem::faulty)
}

/// The same of a job cut by a single point; of one a die or a tap makes, that it has no such thing.
pub async fn of_pointed<T: Send + 'static>(
    app: &App,
    id: String,
    voice: Asked,
    make: impl FnOnce(Pointed<'_>, &Whole) -> T + Send + 'static,
) -> Result<T, Problem> {
    let made = of_plan(app, id, voice, move |whole| single_point(&whole.0).map(|pointed| make(pointed, whole)));
    made.await?.map_err(|why| Problem::fault("", why))
}

/// The single point of a plan; of one a die or a tap makes, that it has no such thing.
pub fn single_point(plan: &Plan) -> Result<Pointed<'_>, String> {
    plan.pointed().ok_or_else(|| say!(plan.voice, "srv-of-a-single-point", by = plan.run.maker.word()))
}

/// The thread as it is seen.
#[utoipa::path(get, path = "/api/v1/jobs/{id}/thread", params(("id" = String, Path)), responses((status = 200, body = ThreadSheet), (status = 404, body = Problem), (status = 422, body = Problem)))]
pub async fn thread(State(app): State<App>, voice: Asked, Path(id): Path<String>) -> Result<Json<ThreadSheet>, Problem> {
    of_plan(&app, id, voice, |(plan, ..)| thread_sheet(plan)).await.map(Json)
}

/// The set-up: the picture, the speeds, the steps, the cautions.
#[utoipa::path(get, path = "/api/v1/jobs/{id}/setup", params(("id" = String, Path)), responses((status = 200, body = SetupSheet), (status = 404, body = Problem), (status = 422, body = Problem)))]
pub async fn setup(State(app): State<App>, voice: Asked, Path(id): Path<String>) -> Result<Json<SetupSheet>, Problem> {
    of_pointed(&app, id, voice, |plan, (_, job, lathe, _)| setup_sheet(&plan, job, lathe)).await.map(Json)
}

/// How the thread and each pass may end and how the work may be held, each seen.
#[utoipa::path(get, path = "/api/v1/jobs/{id}/ways", params(("id" = String, Path)), responses((status = 200, body = WaysSheet), (status = 404, body = Problem), (status = 422, body = Problem)))]
pub async fn ways(State(app): State<App>, voice: Asked, Path(id): Path<String>) -> Result<Json<WaysSheet>, Problem> {
    of_pointed(&app, id, voice, |plan, (_, job, ..)| ways_sheet(&plan, job)).await.map(Json)
}

/// A single point, a die or a tap: each planned whole, side by side.
#[utoipa::path(get, path = "/api/v1/jobs/{id}/makers", params(("id" = String, Path)), responses((status = 200, body = MakersSheet), (status = 404, body = Problem), (status = 422, body = Problem)))]
pub async fn made_by(State(app): State<App>, voice: Asked, Path(id): Path<String>) -> Result<Json<MakersSheet>, Problem> {
    of_plan(&app, id, voice, |(_, job, lathe, kit)| makers(job, lathe, kit)).await.map(Json)
}

/// The groove pass by pass, and what a mistake would do to it.
#[utoipa::path(get, path = "/api/v1/jobs/{id}/groove", params(("id" = String, Path)), responses((status = 200, body = GrooveSheet), (status = 404, body = Problem), (status = 422, body = Problem)))]
pub async fn groove(State(app): State<App>, voice: Asked, Path(id): Path<String>) -> Result<Json<GrooveSheet>, Problem> {
    of_pointed(&app, id, voice, |plan, _| groove_sheet(&plan)).await.map(Json)
}

/// What a figure somebody was going to use would give, and whether it is a known slip.
#[utoipa::path(post, path = "/api/v1/jobs/{id}/own-figure", params(("id" = String, Path)), request_body = OwnFigure, responses((status = 200, body = OwnFigureView), (status = 404, body = Problem), (status = 422, body = Problem)))]
pub async fn own(State(app): State<App>, voice: Asked, Path(id): Path<String>, Sent { read, faults }: Sent<OwnFigure>) -> Result<Json<OwnFigureView>, Problem> {
    if !faults.is_empty() {
        return Err(Problem::faulty(faults));
    }
    let tested = of_pointed(&app, id, voice, move |plan, (whole, ..)| own_figure(&plan, &read, whole.voice)).await?;
    tested.map(Json).map_err(|(at, why)| Problem::fault(at, why))
}

/// Every wire of the drawer judged, and the other ways of reading the size.
#[utoipa::path(get, path = "/api/v1/jobs/{id}/gauge", params(("id" = String, Path)), responses((status = 200, body = GaugeSheet), (status = 404, body = Problem), (status = 422, body = Problem)))]
pub async fn gauging(State(app): State<App>, voice: Asked, Path(id): Path<String>) -> Result<Json<GaugeSheet>, Problem> {
    of_plan(&app, id, voice, |(plan, _, _, kit)| gauge_sheet(plan, kit)).await.map(Json)
}

/// From what is wrong to what may be behind it, by this job's own numbers.
#[utoipa::path(get, path = "/api/v1/jobs/{id}/trouble", params(("id" = String, Path)), responses((status = 200, body = TroubleSheet), (status = 404, body = Problem), (status = 422, body = Problem)))]
pub async fn troubles(State(app): State<App>, voice: Asked, Path(id): Path<String>) -> Result<Json<TroubleSheet>, Problem> {
    let of = id.clone();
    let (acts, run) = app
        .with_store(move |store| {
            let Some(job) = store.job(&of)? else { return Ok((Vec::new(), None)) };
            let acts = acts(store, &job)?;
            let run = stored::run(&job)?.map(|run| fold(&run, &acts, voice.of_job(&job)));
            Ok((acts, run))
        })
        .await?;
    of_pointed(&app, id, voice, move |plan, (_, job, lathe, _)| trouble_sheet(&JobEvidence::of((plan, job, lathe), run.as_ref(), &acts))).await.map(Json)
}

/// What is printed of a job.
#[utoipa::path(get, path = "/api/v1/jobs/{id}/paper", params(("id" = String, Path)), responses((status = 200, body = Papers), (status = 404, body = Problem), (status = 422, body = Problem)))]
pub async fn paper(State(app): State<App>, voice: Asked, Path(id): Path<String>) -> Result<Json<Papers>, Problem> {
    let job = id.clone();
    let made = move |(plan, facts, lathe, _): &Whole| papers(&Member { job: &job, title: "", plan, facts, lathe, apart: false, mate: None, proven: false });
    of_plan(&app, id, voice, made).await.map(Json)
}
