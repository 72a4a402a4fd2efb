//! The log of a job: its story, what was learned, its photographs.

use crate::download::{CSV, saved_as};
use crate::jobs::name_fault;
use crate::problem::Problem;
use crate::state::{App, JobChanged};
use crate::stored::{self, Failed, acts, apart};
use crate::voice::Asked;
use axum::Json;
use axum::body::Bytes;
use axum::extract::{Path, Query, State};
use axum::http::{StatusCode, header};
use axum::response::{IntoResponse, Response};
use serde::{Deserialize, Serialize};
use serde_json::Value;
use utoipa::{IntoParams, ToSchema};
use yoke_core::job::PlanRequest;
use yoke_core::job::defaults::MATERIAL;
use yoke_core::kit::{NOT_KNOWN, material_of};
use yoke_core::log::{JobLearned, Learned, fold, learned, reaction_s};
use yoke_core::say;
use yoke_core::story::{RecordedAct, Story, result, story, story_csv};
use yoke_core::voice::Voice;
use yoke_store::{JobRow, PhotoRow, Put, Store, picture_kind};

/// A photograph, without its picture.
#[derive(Serialize, ToSchema)]
pub struct PhotoLine {
    /// Made by the client.
    id: String,
    /// When it was kept.
    taken: String,
    /// What it shows, in the user's words.
    says: String,
}

/// A job's log.
#[derive(Serialize, ToSchema)]
pub struct LogView {
    /// Its story; absent before the first act that begins the cut.
    story: Option<Story>,
    /// When its plan was frozen, by which version of the reckoning.
    engine: Option<String>,
    /// What was learned on its lathe in its material, from every job.
    learned: Option<Learned>,
    /// Its photographs.
    photos: Vec<PhotoLine>,
}

fn told(store: &Store, job: &JobRow) -> Result<Vec<RecordedAct>, Failed> {
    let rows = store.acts(&job.id)?;
    rows.into_iter().map(|r| Ok(RecordedAct { act: stored::act(&r, &job.title)?, happened: r.happened, source: r.source })).collect()
}

/// The story of a job; nothing before its plan is frozen.
fn story_of(store: &Store, job: &JobRow, voice: Asked) -> Result<Option<Story>, Failed> {
    let Some(run) = stored::run(job)? else { return Ok(None) };
    Ok(Some(story(&run, &told(store, job)?, voice.of_job(job))))
}

/// The lathe's name and the material's of a request; the material has its default.
fn where_and_in(store: &Store, request: &PlanRequest) -> Result<Option<(String, String)>, Failed> {
    let Some(row) = request.lathe_id.as_deref().map(|id| store.lathe(id)).transpose()?.flatten() else { return Ok(None) };
    let name = stored::lathe(&row)?.read.name;
    let code = request.blank.material.as_deref().unwrap_or(MATERIAL);
    // What two unknown metals taught is not of one material.
    if code == NOT_KNOWN {
        return Ok(None);
    }
    let own = stored::kit(store)?.map_or_else(Vec::new, |k| k.read.materials);
    let material = material_of(code, &own).map_or_else(|| code.to_owned(), |m| m.name);
    Ok(name.map(|n| (n, material)))
}

/// What the jobs of the shop have learned, by lathe and material: all of them, or those on one lathe in one material.
fn learned_by(store: &Store, only: Option<&(String, String)>, voice: Asked) -> Result<Vec<Learned>, Failed> {
    let mut jobs = Vec::new();
    for job in store.jobs()? {
        // One that does not read teaches nothing till it does; it says so where it is opened.
        jobs.extend(apart(learned_of(store, &job, only))?.ok().flatten());
    }
    Ok(learned(&jobs, voice.plain()))
}

/// What one job has learned.
fn learned_of(store: &Store, job: &JobRow, only: Option<&(String, String)>) -> Result<Option<JobLearned>, Failed> {
    let (Some(run), Some(frozen)) = (stored::run(job)?, &job.frozen) else { return Ok(None) };
    let request = stored::request(job)?.read;
    let Some(here) = where_and_in(store, &request)?.filter(|here| only.is_none_or(|only| only == here)) else { return Ok(None) };
    let state = fold(&run, &acts(store, job)?, Voice::default());
    let Some(found) = state.tip else { return Ok(None) };
    let (lathe, material) = here;
    let plan: Value = stored::frozen_plan(job, frozen)?;
    let style = plan.pointer("/cut/style").and_then(Value::as_str).unwrap_or_default().to_owned();
    let number = |at: &str| plan.pointer(at).and_then(Value::as_f64).unwrap_or(0.0);
    let (lead, rpm) = (number("/thread/lead_mm/value"), number("/setup/speed_rpm/value"));
    Ok(Some(JobLearned {
        lathe,
        material,
        style,
        found,
        told_flat_mm: request.bit.tip_flat_mm,
        reactions_s: state.overran_mm.iter().filter_map(|past| reaction_s(*past, lead, rpm)).collect(),
        title: job.title.clone(),
    }))
}

/// The log of a job.
#[utoipa::path(get, path = "/api/v1/jobs/{id}/log", params(("id" = String, Path)), responses((status = 200, body = LogView), (status = 404, body = Problem)))]
pub async fn log(State(app): State<App>, voice: Asked, Path(id): Path<String>) -> Result<Json<LogView>, Problem> {
    let view = app
        .reckon(move |store| {
            let Some(job) = store.job(&id)? else { return Ok(None) };
            let here = where_and_in(store, &stored::request(&job)?.read)?;
            let learned = here.map(|here| learned_by(store, Some(&here), voice)).transpose()?.and_then(|all| all.into_iter().next());
            let photos = store.photos(&id)?.into_iter().map(|p| PhotoLine { id: p.id, taken: p.taken, says: p.says }).collect();
            Ok(Some(LogView { story: story_of(store, &job, voice)?, engine: job.frozen.as_ref().map(|f| f.engine.clone()), learned, photos }))
        })
        .await?;
    view.map(Json).ok_or_else(|| Problem::missing("job"))
}

/// A job's story as a sheet.
#[utoipa::path(get, path = "/api/v1/jobs/{id}/log.csv", params(("id" = String, Path)), responses((status = 200, content_type = "text/csv"), (status = 404, body = Problem)))]
pub async fn log_csv(State(app): State<App>, voice: Asked, Path(id): Path<String>) -> Result<Response, Problem> {
    let name = id.clone();
    let found = app.with_store(move |store| store.job(&id)?.map(|job| story_of(store, &job, voice)).transpose()).await?;
    let story = found.ok_or_else(|| Problem::missing("job"))?;
    let sheet = story_csv(&story.map_or_else(Vec::new, |s| s.lines));
    Ok(saved_as(&format!("{name}-log.csv"), CSV, sheet))
}

/// What was learned, by lathe and material.
#[utoipa::path(get, path = "/api/v1/learned", responses((status = 200, body = Vec<Learned>)))]
pub async fn learned_all(State(app): State<App>, voice: Asked) -> Result<Json<Vec<Learned>>, Problem> {
    app.reckon(move |store| learned_by(store, None, voice)).await.map(Json)
}

/// What is looked for on the board.
#[derive(Deserialize, IntoParams)]
#[into_params(parameter_in = Query)]
pub struct SearchQuery {
    /// Words, all of which must be met with: in the title, the facts, or anything told of the job.
    q: String,
}

/// Jobs in which every word sought is met with, notes and readings among them; by id.
#[utoipa::path(get, path = "/api/v1/search", params(SearchQuery), responses((status = 200, body = Vec<String>)))]
pub async fn search(State(app): State<App>, voice: Asked, Query(sought): Query<SearchQuery>) -> Result<Json<Vec<String>>, Problem> {
    let words: Vec<String> = sought.q.to_lowercase().split_whitespace().map(str::to_owned).collect();
    let found = app
        .reckon(move |store| {
            let mut ids = Vec::new();
            for job in store.jobs()? {
                // What was told stands in the acts as it was typed; how it ended, in one sentence.
                let rows = store.acts(&job.id)?;
                let (ended, place) = apart(said_of(store, &job, voice))?.unwrap_or_default();
                let told: Vec<String> = rows.into_iter().map(|r| r.body).chain([ended]).collect();
                let text = format!("{} {} {place} {}", job.title, job.request, told.join(" ")).to_lowercase();
                if words.iter().all(|w| text.contains(w)) {
                    ids.push(job.id);
                }
            }
            Ok(ids)
        })
        .await?;
    Ok(Json(found))
}

/// How a job ended, and on which lathe in what material.
fn said_of(store: &Store, job: &JobRow, voice: Asked) -> Result<(String, String), Failed> {
    let acts = acts(store, job)?;
    let spoken = voice.of_job(job);
    let ended = stored::run(job)?.map_or_else(String::new, |run| result(&fold(&run, &acts, spoken), spoken));
    let place = where_and_in(store, &stored::request(job)?.read)?;
    Ok((ended, place.map_or_else(String::new, |(l, m)| format!("{l} {m}"))))
}

/// Largest photograph kept, bytes.
pub const LARGEST_PHOTO: usize = 5 * 1024 * 1024;
/// Most photographs of one job.
const PHOTOS: usize = 20;

/// What a photograph shows.
#[derive(Default, Deserialize, IntoParams)]
#[serde(default)]
#[into_params(parameter_in = Query)]
pub struct PhotoQuery {
    /// In the user's words.
    says: String,
}

/// Keeps a photograph, JPEG or PNG, at most 5 MB; the same again is answered as before.
#[utoipa::path(put, path = "/api/v1/jobs/{id}/photos/{photo}", params(("id" = String, Path), ("photo" = String, Path), PhotoQuery), request_body(content_type = "application/octet-stream"),
    responses((status = 204), (status = 404, body = Problem), (status = 409, body = Problem), (status = 422, body = Problem)))]
pub async fn keep_photo(
    State(app): State<App>,
    Path((id, photo)): Path<(String, String)>,
    Query(shows): Query<PhotoQuery>,
    body: Bytes,
) -> Result<StatusCode, Problem> {
    if let Some(fault) = name_fault("/photo", &photo) {
        return Err(Problem::faulty(vec![fault]));
    }
    if shows.says.chars().count() > 400 {
        return Err(Problem::fault("/says", say!(Voice::default(), "srv-most-400-characters-say-shows")));
    }
    if body.len() > LARGEST_PHOTO {
        return Err(Problem::fault("/body", say!(Voice::default(), "srv-photograph-most-5-mb-kept")));
    }
    let Some(kind) = picture_kind(&body) else {
        return Err(Problem::fault("/body", say!(Voice::default(), "srv-jpeg-png-picture-wanted-begins")));
    };
    let row = PhotoRow { id: photo, kind: kind.to_owned(), taken: (app.clock)(), says: shows.says };
    let job = id.clone();
    match app.with_store(move |store| Ok(store.put_photo(&job, &row, &body, PHOTOS)?)).await? {
        Put::Done => {
            JobChanged::tell(&app, &id, 0, 0);
            Ok(StatusCode::NO_CONTENT)
        }
        Put::Different => Err(Problem::conflict("/problems/photo-differs", say!(Voice::default(), "srv-another-photograph-kept-under-id"), None)),
        Put::Full => Err(Problem::fault("/photo", say!(Voice::default(), "srv-job-keeps-most-photographs", photos = PHOTOS))),
        Put::Missing => Err(Problem::missing("job")),
    }
}

/// A photograph.
#[utoipa::path(get, path = "/api/v1/jobs/{id}/photos/{photo}", params(("id" = String, Path), ("photo" = String, Path)), responses((status = 200, content_type = "image/jpeg"), (status = 404, body = Problem)))]
pub async fn photo(State(app): State<App>, Path((id, photo)): Path<(String, String)>) -> Result<Response, Problem> {
    let body = app.with_store(move |store| Ok(store.photo(&id, &photo)?)).await?.ok_or_else(|| Problem::missing("photograph"))?;
    // By its own first bytes, whatever it was said to be; anything else is handed over to be saved, and never shown.
    let keep = (header::CACHE_CONTROL, "private, max-age=31536000, immutable");
    Ok(match picture_kind(&body) {
        Some(kind) => ([(header::CONTENT_TYPE, kind), keep], body).into_response(),
        None => saved_as("photograph.bin", "application/octet-stream", body),
    })
}
