//! Batches: several parts of one job, each a job of its own, tallied together.

use crate::body::{Revision, Sent};
use crate::download::{CSV, saved_as};
use crate::jobs::{JobView, keepable, merge, run_of, stands, view};
use crate::problem::Problem;
use crate::route::PlannedRoute;
use crate::state::{App, JobChanged};
use crate::stored::{self, Failed};
use crate::voice::Asked;
use axum::Json;
use yoke_core::say;

use axum::extract::{Path, State};
use axum::http::StatusCode;
use axum::response::IntoResponse;
use serde::{Deserialize, Serialize};
use serde_json::json;
use std::collections::BTreeSet;
use utoipa::ToSchema;
use yoke_core::batch::{
    BatchFacts, BatchOp, BatchSetUp, CarriedOver, OrderView, PartResult, Tally, carry_over, check_parts, orders, plain_limits, tally, tally_csv,
};
use yoke_core::direction::Hand;
use yoke_core::faults::Fault;
use yoke_core::gauge::TipFound;
use yoke_core::job::PlainRequest;
use yoke_core::route::{OpKind, chucking_of, minutes_of};
use yoke_core::voice::Voice;
use yoke_store::{Changed, JobChange, JobRow, NewBatch as AddParts, NewPart, PartsAdded, Store};

/// What its sheet is kept as.
const KIND: &str = "batch";

/// A batch, whole.
#[derive(Serialize, ToSchema)]
pub struct BatchView {
    /// Its first job.
    id: String,
    /// What it is called.
    title: String,
    /// Goes up with every change.
    revision: i64,
    /// What is kept of it.
    facts: BatchFacts,
    /// The orders across its parts, side by side.
    orders: Vec<OrderView>,
    /// Its tally.
    tally: Tally,
    /// What the parts read so far hand on to the next.
    carried: Option<CarriedOver>,
    /// The next part to be begun or gone on with.
    next: Option<NextPart>,
}

/// The next part of a batch.
#[derive(Serialize, ToSchema)]
pub struct NextPart {
    /// Its job.
    job: String,
    /// Its place.
    place: i64,
    /// Whether it is begun.
    begun: bool,
    /// Whether it begins from what the ones before it found.
    learned: bool,
}

/// How many parts, and the hand of each where they differ.
#[derive(Default, Deserialize, ToSchema)]
#[serde(default, deny_unknown_fields)]
pub struct NewBatch {
    /// Parts in all, this one among them.
    parts: i64,
    /// The hand of each; all as this one when absent.
    hands: Vec<Hand>,
}

fn kept(store: &Store, id: &str) -> Result<(BatchFacts, i64), Failed> {
    Ok(match store.sheet(id, KIND)? {
        Some(row) => (stored::sheet(&row)?, row.revision),
        None => (BatchFacts::default(), 0),
    })
}

/// The plain sizes a job is measured by: its batch's, or its own, with their limits.
pub fn plain_of(store: &Store, job: &JobRow) -> Result<Vec<(String, [f64; 2])>, Failed> {
    let asked = match &job.batch {
        Some(batch) => kept(store, batch)?.0.plain,
        None => own_plain(job)?,
    };
    Ok(plain_limits(&asked, Voice::default()).unwrap_or_default())
}

fn own_plain(job: &JobRow) -> Result<Vec<PlainRequest>, Failed> {
    Ok(stored::request(job)?.read.blank.plain)
}

/// A part looked at once: how it was made, and what the rest of the batch wants of it.
struct PartSummary {
    made: PartResult,
    hand: Hand,
    tip: Option<TipFound>,
    limits_mm: Option<[f64; 2]>,
    begun: bool,
    finished: bool,
}

fn look(store: &Store, job: &JobRow) -> Result<PartSummary, Failed> {
    let run = run_of(store, job)?;
    let hand = hand_of(job)?;
    let place = usize::try_from(job.place.unwrap_or(0)).unwrap_or(0);
    let made = PartResult { job: job.id.clone(), place, says: hand.word().to_owned(), stands: stands(run.as_ref(), Voice::default()), ..PartResult::default() };
    let Some((run, state)) = run else { return Ok(PartSummary { made, hand, tip: None, limits_mm: None, begun: false, finished: false }) };
    let tip = state.tip.filter(|t| t.readings > 0);
    let flat_mm = tip.as_ref().map(|t| [t.flat_mm, t.doubt_mm]);
    let made = PartResult { verdict: state.verdict, begun: state.begun, flat_mm, sizes: state.sizes.into_iter().collect(), scrapped: state.scrapped, ..made };
    Ok(PartSummary { made, hand, tip, limits_mm: Some(run.limits_mm), begun: state.begun, finished: state.finished })
}

/// The hand a job's thread is cut to.
fn hand_of(job: &JobRow) -> Result<Hand, Failed> {
    let thread = stored::request(job)?.read.thread;
    let text = || yoke_core::thread::callout::read(thread.callout.as_deref()?).ok().map(|s| s.hand);
    Ok(thread.hand.or_else(text).unwrap_or(Hand::Right))
}

fn whole(store: &Store, id: &str, voice: Asked) -> Result<Option<BatchView>, Failed> {
    let jobs = store.batch(id)?;
    let Some(first) = jobs.first() else { return Ok(None) };
    let (facts, revision) = kept(store, id)?;
    let looked = jobs.iter().map(|job| look(store, job)).collect::<Result<Vec<_>, _>>()?;
    let next = match jobs.iter().zip(&looked).find(|(_, l)| l.made.scrapped.is_none() && !l.finished) {
        Some((job, l)) => {
            let learned = stored::request(job)?.read.gauge.spring.is_some();
            Some(NextPart { job: job.id.clone(), place: job.place.unwrap_or(0), begun: l.begun, learned })
        }
        None => None,
    };
    // A place counts once, however often it was begun again.
    let mut places = BTreeSet::new();
    let (right, left): (Vec<&PartSummary>, Vec<&PartSummary>) = looked.iter().filter(|l| places.insert(l.made.place)).partition(|l| l.hand == Hand::Right);
    let ready = PlannedRoute::of(store, first, voice)?;
    let spoken = ready.voice;
    let orders = weigh(store, &ready, [right.len(), left.len()], facts.tools_stay)?;
    let limits = looked.first().and_then(|l| l.limits_mm).unwrap_or([0.0; 2]);
    let found: Vec<(usize, TipFound)> = looked.iter().filter_map(|l| Some((l.made.place, l.tip.clone()?))).collect();
    let parts: Vec<PartResult> = looked.into_iter().map(|l| l.made).collect();
    let tally = tally(&parts, limits, &plain_limits(&facts.plain, spoken).unwrap_or_default(), spoken);
    let drift = tally.columns.iter().find(|c| c.of_tool).and_then(|c| c.drift);
    Ok(Some(BatchView {
        id: id.to_owned(),
        title: first.title.clone(),
        revision,
        orders,
        carried: carry_over(&found, drift.as_ref(), spoken),
        facts,
        tally,
        next,
    }))
}

/// What every order across the parts costs, by the route of the batch.
fn weigh(store: &Store, ready: &PlannedRoute, hands: [usize; 2], tools_stay: bool) -> Result<Vec<OrderView>, Failed> {
    let members = ready.members();
    let Some(member) = members.first() else { return Ok(Vec::new()) };
    let again_mm = member.plan.blank.held().map_or(0.0, |h| h.again_mm.value);
    let setups: Vec<BatchSetUp> = ready
        .route(store)?
        .0
        .setups
        .iter()
        .map(|setup| BatchSetUp {
            chuck: chucking_of(member),
            again_mm,
            ops: setup
                .ops
                .iter()
                .map(|op| {
                    // Each operation by the thread it belongs to: a part may have several.
                    let own = members.iter().find(|m| Some(m.job) == op.job.as_deref()).unwrap_or(member);
                    let minutes = minutes_of(op, Some(own), &members);
                    BatchOp { set: minutes.set, each: minutes.each, handed: op.kind == OpKind::Thread }
                })
                .collect(),
        })
        .collect();
    Ok(orders(&setups, hands, tools_stay, ready.voice))
}

async fn seen(app: &App, id: String, voice: Asked) -> Result<BatchView, Problem> {
    let found = app
        .reckon(move |store| {
            let Some(job) = store.job(&id)? else { return Ok(None) };
            let Some(batch) = job.batch else { return Ok(Some(None)) };
            whole(store, &batch, voice).map(Some)
        })
        .await?;
    found.ok_or_else(|| Problem::missing("job"))?.ok_or_else(|| Problem::missing("batch"))
}

/// The batch a job is one of.
#[utoipa::path(get, path = "/api/v1/jobs/{id}/batch", params(("id" = String, Path)), responses((status = 200, body = BatchView), (status = 404, body = Problem)))]
pub async fn batch(State(app): State<App>, voice: Asked, Path(id): Path<String>) -> Result<Json<BatchView>, Problem> {
    seen(&app, id, voice).await.map(Json)
}

/// Its tally as a sheet.
#[utoipa::path(get, path = "/api/v1/jobs/{id}/batch.csv", params(("id" = String, Path)), responses((status = 200, body = String, content_type = "text/csv"), (status = 404, body = Problem)))]
pub async fn batch_csv(State(app): State<App>, voice: Asked, Path(id): Path<String>) -> Result<impl IntoResponse, Problem> {
    let batch = seen(&app, id, voice).await?;
    Ok(saved_as(&format!("{}-tally.csv", batch.id), CSV, tally_csv(&batch.tally)))
}

enum Outcome<T> {
    Done(T),
    Faulty(Vec<Fault>),
    Conflict(&'static str, &'static str),
    Missing,
}

impl<T> Outcome<T> {
    fn answered(self) -> Result<T, Problem> {
        match self {
            Self::Done(it) => Ok(it),
            Self::Faulty(faults) => Err(Problem::faulty(faults)),
            Self::Conflict(kind, says) => Err(Problem::conflict(kind, say!(Voice::default(), says), None)),
            Self::Missing => Err(Problem::missing("job")),
        }
    }
}

/// Makes a batch of a job: it is the first part, and the others are made like it.
#[utoipa::path(post, path = "/api/v1/jobs/{id}/batch", params(("id" = String, Path)), request_body = NewBatch,
    responses((status = 201, body = BatchView), (status = 404, body = Problem), (status = 409, body = Problem), (status = 422, body = Problem)))]
pub async fn make_batch(
    State(app): State<App>,
    voice: Asked,
    Path(id): Path<String>,
    Sent { read: asked, mut faults }: Sent<NewBatch>,
) -> Result<(StatusCode, Json<BatchView>), Problem> {
    faults.extend(check_parts(asked.parts, asked.hands.len(), voice.plain()));
    if !faults.is_empty() {
        return Err(Problem::faulty(faults));
    }
    let (of, now) = (id.clone(), (app.clock)());
    app.reckon(move |store| make(store, &of, &asked, &now, voice)).await?.answered()?;
    JobChanged::tell(&app, &id, 0, 0);
    Ok((StatusCode::CREATED, Json(seen(&app, id, voice).await?)))
}

/// The same beside the server; whether it could be made.
pub fn make_of(store: &Store, id: &str, parts: i64, hands: &[Hand], now: &str, voice: Asked) -> Result<bool, Failed> {
    Ok(matches!(make(store, id, &NewBatch { parts, hands: hands.to_vec() }, now, voice)?, Outcome::Done(())))
}

fn make(store: &Store, id: &str, asked: &NewBatch, now: &str, voice: Asked) -> Result<Outcome<()>, Failed> {
    let Some(job) = store.job(id)? else { return Ok(Outcome::Missing) };
    if job.batch.is_some() {
        return Ok(Outcome::Conflict("/problems/batched", "srv-batched-already"));
    }
    let own = hand_of(&job)?;
    let mut hands = asked.hands.clone();
    if hands.is_empty() {
        hands = vec![own; usize::try_from(asked.parts).unwrap_or(0)];
    } else if !hands.contains(&own) {
        return Ok(Outcome::Faulty(vec![Fault::new("/hands", say!(Voice::default(), "srv-one-parts-job-so-one"))]));
    }
    // Parts of one hand come together, this job's first: the tumbler is turned once.
    hands.sort_by_key(|h| *h != own);
    let stored::Document { read, whole: request, unknown } = stored::request(&job)?;
    let mut other = request.clone();
    if let Some(hand) = hands.iter().find(|h| **h != own) {
        merge(&mut other, json!({ "thread": { "hand": hand } }));
    }
    // Every part is one of these two, so these are what has to plan.
    for request in [&request, &other] {
        if let Err(faults) = keepable(store, request, &unknown, voice)? {
            return Ok(Outcome::Faulty(faults));
        }
    }
    let (request, other) = (request.to_string(), other.to_string());
    let requests: Vec<&str> = hands[1..].iter().map(|h| if *h == own { request.as_str() } else { other.as_str() }).collect();
    let named: Vec<(String, String)> =
        (0..requests.len()).map(|i| (uuid::Uuid::new_v4().to_string(), format!("{}: part {}", job.title, i + 2).chars().take(120).collect())).collect();
    let parts: Vec<NewPart<'_>> =
        requests.iter().zip(&named).zip(2..).map(|((request, (id, title)), place)| NewPart { id, title, request, created: now, place }).collect();
    let facts = BatchFacts { plain: read.blank.plain, ..BatchFacts::default() };
    let body = serde_json::to_string(&facts).map_err(|e| stored::Unread { detail: e.to_string() })?;
    Ok(match store.add_parts(id, AddParts::Of { revision: job.revision, kind: KIND, body: &body }, &parts)? {
        PartsAdded::Done => Outcome::Done(()),
        PartsAdded::Already => Outcome::Conflict("/problems/batched", "srv-batched-already"),
        PartsAdded::Moved => Outcome::Conflict("/problems/stale", "srv-job-changed-meanwhile"),
        PartsAdded::Missing => Outcome::Missing,
    })
}

/// Changes what is kept of a batch, under `If-Match: revision`.
#[utoipa::path(put, path = "/api/v1/jobs/{id}/batch", params(("id" = String, Path), ("If-Match" = String, Header)), request_body = BatchFacts,
    responses((status = 200, body = BatchView), (status = 404, body = Problem), (status = 409, body = Problem), (status = 422, body = Problem), (status = 428, body = Problem)))]
pub async fn change_batch(
    State(app): State<App>,
    voice: Asked,
    Path(id): Path<String>,
    Revision(revision): Revision,
    Sent { read: facts, mut faults }: Sent<BatchFacts>,
) -> Result<Json<BatchView>, Problem> {
    faults.extend(plain_limits(&facts.plain, voice.plain()).err().into_iter().flatten());
    if !faults.is_empty() {
        return Err(Problem::faulty(faults));
    }
    let (of, text) = (id.clone(), serde_json::to_string(&facts)?);
    let changed = app
        .with_store(move |store| {
            let batch = store.job(&of)?.and_then(|job| job.batch);
            Ok(batch.map(|batch| store.put_sheet(&batch, KIND, revision, &text)).transpose()?)
        })
        .await?;
    // It says, too, when there is no such job or batch.
    let now = seen(&app, id.clone(), voice).await?;
    if matches!(changed, Some(Changed::Done(_))) {
        JobChanged::tell(&app, &id, 0, 0);
        return Ok(Json(now));
    }
    Err(Problem::stale("batch", &now))
}

/// Begins a scrapped part again: a new job in its place, with the same facts.
#[utoipa::path(post, path = "/api/v1/jobs/{id}/batch/again", params(("id" = String, Path)),
    responses((status = 201, body = JobView), (status = 404, body = Problem), (status = 409, body = Problem)))]
pub async fn again(State(app): State<App>, voice: Asked, Path(id): Path<String>) -> Result<(StatusCode, Json<JobView>), Problem> {
    let (of, now) = (id.clone(), (app.clock)());
    let view = app.reckon(move |store| begin_again(store, &of, &now, voice)).await?.answered()?;
    JobChanged::tell(&app, &id, 0, 0);
    Ok((StatusCode::CREATED, Json(*view)))
}

fn begin_again(store: &Store, id: &str, now: &str, voice: Asked) -> Result<Outcome<Box<JobView>>, Failed> {
    let Some(job) = store.job(id)? else { return Ok(Outcome::Missing) };
    let (Some(batch), Some(place)) = (&job.batch, job.place) else {
        return Ok(Outcome::Conflict("/problems/no-batch", "srv-in-no-batch"));
    };
    if run_of(store, &job)?.is_none_or(|(_, state)| state.scrapped.is_none()) {
        return Ok(Outcome::Conflict("/problems/not-scrapped", "srv-not-scrapped"));
    }
    let newest = store.batch(batch)?.into_iter().rfind(|j| j.place == Some(place));
    if newest.is_some_and(|j| j.id != job.id) {
        return Ok(Outcome::Conflict("/problems/begun-again", "srv-begun-again"));
    }
    let new = uuid::Uuid::new_v4().to_string();
    let bare = job.title.strip_suffix(", again").unwrap_or(&job.title);
    let title: String = format!("{}, again", bare.chars().take(110).collect::<String>());
    let part = NewPart { id: &new, title: &title, request: &job.request, created: now, place };
    if store.add_parts(batch, AddParts::Again { job: id }, &[part])? != PartsAdded::Done {
        return Ok(Outcome::Conflict("/problems/begun-again", "srv-begun-again"));
    }
    Ok(match store.job(&new)? {
        Some(job) => Outcome::Done(Box::new(view(store, &job, voice)?)),
        None => Outcome::Missing,
    })
}

/// Lets a part that is not begun begin from what the parts before it found; the job as it then is.
#[utoipa::path(post, path = "/api/v1/jobs/{id}/batch/carry", params(("id" = String, Path)),
    responses((status = 200, body = JobView), (status = 404, body = Problem), (status = 409, body = Problem), (status = 422, body = Problem)))]
pub async fn carry(State(app): State<App>, voice: Asked, Path(id): Path<String>) -> Result<Json<JobView>, Problem> {
    let of = id.clone();
    let view = app.reckon(move |store| carry_to(store, &of, voice)).await?.answered()?;
    JobChanged::tell(&app, view.id(), view.revision(), view.sequence());
    Ok(Json(*view))
}

fn carry_to(store: &Store, id: &str, voice: Asked) -> Result<Outcome<Box<JobView>>, Failed> {
    let Some(job) = store.job(id)? else { return Ok(Outcome::Missing) };
    if job.frozen.is_some() {
        return Ok(Outcome::Conflict("/problems/begun", "srv-its-cut-has-begun"));
    }
    let found = job.batch.as_ref().map(|b| whole(store, b, voice)).transpose()?.flatten().and_then(|b| b.carried);
    let Some(found) = found else {
        return Ok(Outcome::Conflict("/problems/nothing-found", "srv-no-part-read"));
    };
    let stored::Document { whole: mut request, unknown, .. } = stored::request(&job)?;
    let bit = json!({ "tip_flat_mm": null, "tip_radius_mm": null, "tip_radius_between_mm": null, "tip_flat_between_mm": found.flat_mm });
    merge(&mut request, json!({ "bit": bit, "gauge": { "spring": { "share": found.spring, "doubt": found.spring_doubt } } }));
    if let Err(faults) = keepable(store, &request, &unknown, voice)? {
        return Ok(Outcome::Faulty(faults));
    }
    let text = request.to_string();
    Ok(match store.change_job(&job.id, job.revision, &JobChange { request: Some(&text), ..JobChange::default() })? {
        Changed::Done(job) => Outcome::Done(Box::new(view(store, &job, voice)?)),
        Changed::Stale(_) => Outcome::Conflict("/problems/stale", "srv-job-changed-meanwhile"),
        Changed::Missing => Outcome::Missing,
    })
}
