//! Rehearse: how a drill begins, a try judged, and the tries kept with the lathe.

use crate::body::Sent;
use crate::jobs::whole_of;
use crate::kept;
use crate::problem::Problem;
use crate::sheets::{of_pointed, single_point};
use crate::state::App;
use crate::stored::{self, Failed};
use crate::voice::Asked;
use axum::Json;
use axum::extract::{Path, State};
use axum::http::StatusCode;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use yoke_core::faults::Fault;
use yoke_core::job::{Job, Lathe};
use yoke_core::plan::Pointed;
use yoke_core::rehearse::{
    Drill, HandView, Kept, MotionView, Pressed, RehearsalView, ShownView, TaskView, Tries, TryView, at_lathe, begin, judge, known, motion, on, rehearsal, shown,
};
use yoke_core::say;
use yoke_core::voice::Voice;
use yoke_store::{JobRow, Store};

/// What the tries of a lathe, or of a job on none, are kept as.
pub const KIND: &str = "rehearsed";
/// Most keys of one try.
const MOST_KEYS: usize = 64;

/// A try as the hand made it.
#[derive(Debug, Clone, Default, Deserialize, ToSchema)]
#[serde(default, deny_unknown_fields)]
pub struct TryBody {
    /// What the drill began from.
    seed: u32,
    /// The keys with their times, by the hand's own clock.
    keys: Vec<Pressed>,
    /// Whether it is over: only then it counts on the learner's path.
    ended: bool,
}

/// A stop made at the lathe itself, on air.
#[derive(Debug, Clone, Default, Deserialize, ToSchema)]
#[serde(default, deny_unknown_fields)]
pub struct LatheStop {
    /// Where the carriage came to rest past the mark, mm; under nought before it.
    past_mm: f64,
    /// Turns a minute it was tried at.
    rpm: f64,
}

/// A try judged, and what is known of the hand since.
#[derive(Serialize, ToSchema)]
pub struct JudgedTry {
    /// What came of it.
    tried: TryView,
    /// The hand, by the way of stopping.
    hands: Vec<HandView>,
    /// The learner's path since.
    path: Vec<TaskView>,
}

/// Whose tries they are: the lathe's; of a job on none, the job's.
fn owner(job: &JobRow) -> Result<String, Failed> {
    Ok(stored::request(job)?.read.lathe_id.unwrap_or_else(|| job.id.clone()))
}

fn tries_of(store: &Store, job: &JobRow) -> Result<Tries, Failed> {
    kept::kept(store, &owner(job)?, KIND)
}

/// The tries of a stored job's lathe.
async fn tries_kept(app: &App, id: String) -> Result<Tries, Problem> {
    let found = app.with_store(move |store| store.job(&id)?.map(|job| tries_of(store, &job)).transpose()).await?;
    found.ok_or_else(|| Problem::missing("job"))
}

/// What may be rehearsed of a job, and what is known of the hand.
#[utoipa::path(get, path = "/api/v1/jobs/{id}/rehearsal", params(("id" = String, Path)), responses((status = 200, body = RehearsalView), (status = 404, body = Problem), (status = 422, body = Problem)))]
pub async fn drills(State(app): State<App>, voice: Asked, Path(id): Path<String>) -> Result<Json<RehearsalView>, Problem> {
    let tries = tries_kept(&app, id.clone()).await?;
    of_pointed(&app, id, voice, move |plan, (_, job, lathe, kit)| rehearsal(&plan, (job, lathe, kit), &tries)).await.map(Json)
}

fn no_such_drill() -> Problem {
    Problem::fault("", say!(Voice::default(), "srv-rehearse-no-such-drill"))
}

/// What is made of a drill, on the plan it is done on.
async fn of_drill<T: Send + 'static>(
    app: &App,
    id: String,
    voice: Asked,
    drill: Drill,
    make: impl FnOnce(&Pointed<'_>, &Job, &Lathe) -> T + Send + 'static,
) -> Result<T, Problem> {
    let made = of_pointed(app, id, voice, move |plan, (_, job, lathe, kit)| on(drill, &plan, (job, lathe, kit), |plan, job| make(plan, job, lathe)));
    made.await?.ok_or_else(no_such_drill)
}

/// A try begins: everything that moves, and what each key would do.
#[utoipa::path(post, path = "/api/v1/jobs/{id}/rehearsal/{drill}", params(("id" = String, Path), ("drill" = Drill, Path)),
    responses((status = 200, body = MotionView), (status = 404, body = Problem), (status = 422, body = Problem)))]
pub async fn begun(State(app): State<App>, voice: Asked, Path((id, drill)): Path<(String, Drill)>) -> Result<Json<MotionView>, Problem> {
    // Where it begins is not to be learned.
    let seed = uuid::Uuid::new_v4().as_fields().0;
    of_drill(&app, id, voice, drill, move |plan, job, lathe| motion(drill, plan, job, lathe, seed)).await.map(Json)
}

/// A drill shown: played as it should be, and each mistake.
#[utoipa::path(get, path = "/api/v1/jobs/{id}/rehearsal/{drill}", params(("id" = String, Path), ("drill" = Drill, Path)),
    responses((status = 200, body = ShownView), (status = 404, body = Problem), (status = 422, body = Problem)))]
pub async fn show(State(app): State<App>, voice: Asked, Path((id, drill)): Path<(String, Drill)>) -> Result<Json<ShownView>, Problem> {
    of_drill(&app, id, voice, drill, move |plan, job, lathe| shown(drill, plan, job, lathe)).await.map(Json)
}

/// What is wrong with the keys of a try.
fn faulty(keys: &[Pressed]) -> Vec<Fault> {
    let mut faults = Vec::new();
    if keys.len() > MOST_KEYS {
        faults.push(Fault::new("/keys", say!(Voice::default(), "srv-rehearse-too-many-keys", most = MOST_KEYS)));
    }
    let off = |k: &Pressed| !(0.0..=3600.0).contains(&k.at_s);
    faults.extend(keys.iter().take(MOST_KEYS).enumerate().filter(|(_, k)| off(k)).map(|(i, _)| {
        let says = say!(Voice::default(), "srv-rehearse-key-time");
        Fault::new(format!("/keys/{i}/at_s"), says)
    }));
    faults
}

/// A try judged by what the hand did and when; the same one again counts once.
#[utoipa::path(put, path = "/api/v1/jobs/{id}/rehearsal/{drill}/tries/{try}", params(("id" = String, Path), ("drill" = Drill, Path), ("try" = String, Path)),
    request_body = TryBody, responses((status = 200, body = JudgedTry), (status = 404, body = Problem), (status = 422, body = Problem)))]
pub async fn tried(
    State(app): State<App>,
    voice: Asked,
    Path((id, drill, which)): Path<(String, Drill, uuid::Uuid)>,
    Sent { read, mut faults }: Sent<TryBody>,
) -> Result<Json<JudgedTry>, Problem> {
    faults.extend(faulty(&read.keys));
    if !faults.is_empty() {
        return Err(Problem::faulty(faults));
    }
    let made = app.reckon(move |store| make(store, &id, (drill, which), &read, voice)).await?;
    made.ok_or_else(|| Problem::missing("job"))?.map(Json)
}

fn make(store: &Store, id: &str, (drill, which): (Drill, uuid::Uuid), read: &TryBody, voice: Asked) -> Result<Option<Result<JudgedTry, Problem>>, Failed> {
    let Some(row) = store.job(id)? else { return Ok(None) };
    let (plan, job, lathe, kit) = match whole_of(store, &row, voice)? {
        Ok(whole) => whole,
        Err(faults) => return Ok(Some(Err(Problem::faulty(faults)))),
    };
    let pointed = match single_point(&plan) {
        Ok(pointed) => pointed,
        Err(why) => return Ok(Some(Err(Problem::fault("", why)))),
    };
    let judged = on(drill, &pointed, (&job, &lathe, &kit), |pointed, job| judge(begin(drill, pointed, job, &lathe, read.seed), &read.keys, plan.voice));
    let Some((tried, counts)) = judged else { return Ok(Some(Err(no_such_drill()))) };
    let id = which.as_u64_pair().1;
    let tries = keep(store, &row, |tries| {
        if let (Some(sample), Some(counts)) = (drill.sample(), counts) {
            tries.add(sample, Kept { id, ..counts });
        }
        if read.ended {
            tries.went(id, drill, tried.good);
        }
    })?;
    let (hands, path) = known(&pointed, &job, &lathe, &tries);
    Ok(Some(Ok(JudgedTry { tried, hands, path })))
}

/// A way of a drill was watched to its end.
#[utoipa::path(put, path = "/api/v1/jobs/{id}/rehearsal/{drill}/watched/{play}", params(("id" = String, Path), ("drill" = Drill, Path), ("play" = String, Path)),
    responses((status = 204), (status = 404, body = Problem), (status = 422, body = Problem)))]
pub async fn watched(State(app): State<App>, Path((id, drill, play)): Path<(String, Drill, String)>) -> Result<StatusCode, Problem> {
    let known = app.with_store(move |store| {
        let Some(row) = store.job(&id)? else { return Ok(None) };
        let mut known = false;
        keep(store, &row, |tries| known = tries.watched(drill, &play))?;
        Ok(Some(known))
    });
    match known.await? {
        None => Err(Problem::missing("job")),
        Some(false) => Err(Problem::fault("", say!(Voice::default(), "srv-rehearse-no-such-play"))),
        Some(true) => Ok(StatusCode::NO_CONTENT),
    }
}

/// A stop made at the lathe itself, on air, is told; the same one again counts once.
#[utoipa::path(put, path = "/api/v1/jobs/{id}/rehearsal/{drill}/at-lathe/{try}", params(("id" = String, Path), ("drill" = Drill, Path), ("try" = String, Path)),
    request_body = LatheStop, responses((status = 200, body = RehearsalView), (status = 404, body = Problem), (status = 422, body = Problem)))]
pub async fn told_at_lathe(
    State(app): State<App>,
    voice: Asked,
    Path((id, drill, which)): Path<(String, Drill, uuid::Uuid)>,
    Sent { read, mut faults }: Sent<LatheStop>,
) -> Result<Json<RehearsalView>, Problem> {
    let within = [("/past_mm", (-20.0..=100.0).contains(&read.past_mm), "srv-rehearse-past"), ("/rpm", (1.0..=5000.0).contains(&read.rpm), "srv-rehearse-rpm")];
    faults.extend(within.into_iter().filter(|(_, fits, _)| !fits).map(|(at, _, id)| Fault::new(at, say!(Voice::default(), id))));
    if !faults.is_empty() {
        return Err(Problem::faulty(faults));
    }
    let of = id.clone();
    let stop = of_pointed(&app, id, voice, move |plan, (_, job, lathe, _)| at_lathe(drill, which.as_u64_pair().1, (read.past_mm, read.rpm), &plan, job, lathe));
    let (sample, kept) = stop.await?.ok_or_else(|| Problem::fault("", say!(Voice::default(), "srv-rehearse-no-stop")))?;
    let id = of.clone();
    app.with_store(move |store| store.job(&of)?.map(|row| keep(store, &row, |tries| tries.add(sample, kept))).transpose()).await?;
    drills(State(app), voice, Path(id)).await
}

/// Changes the tries of a job's lathe.
fn keep(store: &Store, job: &JobRow, by: impl FnMut(&mut Tries)) -> Result<Tries, Failed> {
    kept::change(store, &owner(job)?, KIND, by)
}
