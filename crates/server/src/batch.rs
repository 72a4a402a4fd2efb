//! Batches: several parts of one job, each a job of its own, tallied together.

use crate::body::{Revision, Sent};
use crate::download::{CSV, saved_as};
use crate::jobs::{JobView, keepable, merge, run_of, stands, view, whole_of};
use crate::pace::took;
use crate::parts::{WholePart, is_apart, slot_of, standing, whole_parts};
use crate::problem::Problem;
use crate::route::PlannedRoute;
use crate::state::{App, JobChanged};
use crate::stored::{self, Failed};
use crate::voice::Asked;
use axum::Json;
use yoke_core::say;

use axum::extract::{Path, Query, State};
use axum::http::StatusCode;
use axum::response::IntoResponse;
use serde::{Deserialize, Serialize};
use serde_json::json;
use std::collections::BTreeSet;
use utoipa::{IntoParams, ToSchema};
use yoke_core::batch::{
    BatchFacts, BatchOp, BatchSetUp, BatchThread, CarriedOver, Column, Drift, OrderView, PartResult, Tally, ThreadResult, carry_over, check_parts, orders,
    plain_limits, tally, tally_csv,
};
use yoke_core::direction::Hand;
use yoke_core::faults::Fault;
use yoke_core::gauge::{TipFound, spring_told, tip_told};
use yoke_core::job::PlainRequest;
use yoke_core::route::{Member, OpTook, Operation, Route, SetUp, chucking_of, minutes_of, standing_of};
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
    /// What its ends are true to one another, where it is turned about.
    flip: Option<String>,
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

/// A thread of a part looked at once: how it was made, and what the rest of the batch wants of it.
struct ThreadSummary {
    made: ThreadResult,
    sizes: Vec<(String, f64)>,
    stands: String,
    tip: Option<TipFound>,
    scrapped: Option<String>,
    begun: bool,
    finished: bool,
}

fn look(store: &Store, job: &JobRow) -> Result<ThreadSummary, Failed> {
    let run = run_of(store, job)?;
    let made = ThreadResult { job: job.id.clone(), ..ThreadResult::default() };
    let stands = stands(run.as_ref(), Voice::default());
    let Some((_, state)) = run else {
        return Ok(ThreadSummary { made, sizes: Vec::new(), stands, tip: None, scrapped: None, begun: false, finished: false });
    };
    let tip = state.tip.filter(|t| t.readings > 0);
    let flat_mm = tip.as_ref().map(|t| [t.flat_mm, t.doubt_mm]);
    Ok(ThreadSummary {
        made: ThreadResult { verdict: state.verdict, flat_mm, ..made },
        sizes: state.sizes.into_iter().collect(),
        stands,
        tip,
        scrapped: state.scrapped,
        begun: state.begun,
        finished: state.finished,
    })
}

/// A part looked at once, thread by thread.
struct PartSummary {
    place: usize,
    hand: Hand,
    threads: Vec<Option<ThreadSummary>>,
}

impl PartSummary {
    fn of(store: &Store, part: &WholePart) -> Result<Self, Failed> {
        let first = part.jobs().next().map(hand_of).transpose()?;
        Ok(Self {
            place: usize::try_from(part.place).unwrap_or(0),
            hand: first.unwrap_or(Hand::Right),
            threads: part.slots.iter().map(|job| job.as_ref().map(|job| look(store, job)).transpose()).collect::<Result<_, _>>()?,
        })
    }

    fn scrapped(&self) -> Option<&ThreadSummary> {
        self.threads.iter().flatten().find(|t| t.scrapped.is_some())
    }

    /// How it stands, thread by thread.
    fn stands(&self) -> String {
        self.threads.iter().flatten().map(|t| t.stands.as_str()).collect::<Vec<_>>().join("; ")
    }

    fn made(&self) -> PartResult {
        let first = self.scrapped().or_else(|| self.threads.iter().flatten().next());
        PartResult {
            job: first.map_or_else(String::new, |t| t.made.job.clone()),
            place: self.place,
            says: self.hand.word().to_owned(),
            threads: self.threads.iter().map(|t| t.as_ref().map(|t| t.made.clone())).collect(),
            sizes: self.threads.iter().flatten().flat_map(|t| t.sizes.clone()).collect(),
            scrapped: self.scrapped().and_then(|t| t.scrapped.clone()),
            begun: self.threads.iter().flatten().any(|t| t.begun),
            stands: self.stands(),
        }
    }
}

/// The hand a job's thread is cut to.
fn hand_of(job: &JobRow) -> Result<Hand, Failed> {
    let thread = stored::request(job)?.read.thread;
    let text = || yoke_core::thread::callout::read(thread.callout.as_deref()?).ok().map(|s| s.hand);
    Ok(thread.hand.or_else(text).unwrap_or(Hand::Right))
}

/// The next thread to be begun or gone on with: of the first part that has one, unless its piece was scrapped.
fn next_of(parts: &[WholePart], looked: &[PartSummary]) -> Result<Option<NextPart>, Failed> {
    for (part, seen) in parts.iter().zip(looked) {
        let threads: Vec<(&JobRow, &ThreadSummary)> = part.slots.iter().zip(&seen.threads).filter_map(|(job, t)| job.as_ref().zip(t.as_ref())).collect();
        let spoilt = |job: &JobRow| threads.iter().any(|(other, t)| t.scrapped.is_some() && on_one_piece(part, other, job));
        if let Some((job, thread)) = threads.iter().find(|(job, thread)| !thread.finished && !spoilt(job)) {
            let learned = stored::request(job)?.read.gauge.spring.is_some();
            return Ok(Some(NextPart { job: job.id.clone(), place: part.place, begun: thread.begun, learned }));
        }
    }
    Ok(None)
}

/// Whether two jobs of a part are on one piece of it: a mate, and what is on its piece, is another.
fn on_one_piece(part: &WholePart, one: &JobRow, other: &JobRow) -> bool {
    one.id == other.id || !is_apart(part.jobs(), one) && !is_apart(part.jobs(), other)
}

/// What the parts before have found of the tip that cuts this slot's thread.
fn found_of(looked: &[PartSummary], slot: usize) -> Vec<(usize, TipFound)> {
    looked.iter().filter_map(|l| Some((l.place, l.threads.get(slot)?.as_ref()?.tip.clone()?))).collect()
}

fn whole(store: &Store, id: &str, voice: Asked) -> Result<Option<BatchView>, Failed> {
    let parts = whole_parts(store, id)?;
    let Some(first) = store.job(id)? else { return Ok(None) };
    if parts.is_empty() {
        return Ok(None);
    }
    let (facts, revision) = kept(store, id)?;
    let looked = parts.iter().map(|part| PartSummary::of(store, part)).collect::<Result<Vec<_>, _>>()?;
    let next = next_of(&parts, &looked)?;
    // A place counts once, however often it was begun again.
    let mut places = BTreeSet::new();
    let (right, left): (Vec<&PartSummary>, Vec<&PartSummary>) = looked.iter().filter(|l| places.insert(l.place)).partition(|l| l.hand == Hand::Right);
    let ready = PlannedRoute::of(store, &first, voice)?;
    let spoken = ready.voice;
    let members = ready.members();
    let (route, _) = ready.route(store)?;
    let orders = weigh((&route, &members), [right.len(), left.len()], &facts, &took(store)?, spoken);
    let threads = threads_of(store, &parts, voice)?;
    let made: Vec<PartResult> = looked.iter().map(PartSummary::made).collect();
    let tally = tally(&made, &threads, &plain_limits(&facts.plain, spoken).unwrap_or_default(), spoken);
    let slot = next.as_ref().and_then(|n| slot_of(&parts, &n.job)).unwrap_or(0);
    let drift = drift_of(&tally.columns, slot);
    Ok(Some(BatchView {
        id: id.to_owned(),
        title: first.title.clone(),
        revision,
        orders,
        carried: carry_over(&found_of(&looked, slot), drift.as_ref(), spoken),
        flip: flip_of(&route, &members, spoken),
        facts,
        tally,
        next,
    }))
}

/// The threads every part has, with their limits: as each slot's first job that plans has them.
fn threads_of(store: &Store, parts: &[WholePart], voice: Asked) -> Result<Vec<BatchThread>, Failed> {
    let slots = parts.iter().map(|p| p.slots.len()).max().unwrap_or(0);
    let mut threads = Vec::new();
    for slot in 0..slots {
        let mut thread = BatchThread { name: String::new(), limits_mm: [0.0; 2] };
        for job in parts.iter().filter_map(|p| p.slots.get(slot)?.as_ref()) {
            if let Ok((plan, ..)) = whole_of(store, job, voice)? {
                thread = BatchThread { name: plan.thread.name, limits_mm: plan.run.limits_mm };
                break;
            }
        }
        threads.push(thread);
    }
    Ok(threads)
}

/// How true the second end runs to the first once the piece was turned about: as far off as its holding puts it back, whatever the order.
fn flip_of(route: &Route, members: &[Member<'_>], voice: Voice) -> Option<String> {
    let about = route.setups.windows(2).find(|w| w[0].piece == w[1].piece && !w[1].ops.is_empty()).map(|w| &w[1])?;
    let held = in_set_up(about, members)?.plan.blank.held()?;
    Some(say!(voice, "batch-flip", off = voice.length(held.again_mm.value), held = &held.says))
}

/// The member a set-up is for: the first whose operation is in it.
fn in_set_up<'a>(setup: &SetUp, members: &'a [Member<'a>]) -> Option<&'a Member<'a>> {
    members.iter().find(|m| setup.ops.iter().any(|op| op.job.as_deref() == Some(m.job)))
}

/// What every order across the parts costs, by the route of the batch.
fn weigh((route, members): (&Route, &[Member<'_>]), hands: [usize; 2], facts: &BatchFacts, took: &[OpTook], voice: Voice) -> Vec<OrderView> {
    let Some(first) = members.first() else { return Vec::new() };
    let set_up = |setup: &SetUp| {
        let member = in_set_up(setup, members).unwrap_or(first);
        let cost = |op: &Operation| {
            // Each operation by the thread it belongs to: a part may have several.
            let own = members.iter().find(|m| Some(m.job) == op.job.as_deref()).unwrap_or(first);
            let minutes = minutes_of(op, Some(own), members, took);
            BatchOp { set: minutes.set, each: minutes.each, handed: op.kind.makes_thread() }
        };
        BatchSetUp {
            id: setup.id.clone(),
            stands: standing_of(member),
            chuck: chucking_of(member),
            again_mm: member.plan.blank.held().map_or(0.0, |h| h.again_mm.value),
            ops: setup.ops.iter().map(cost).collect(),
        }
    };
    let setups: Vec<BatchSetUp> = route.setups.iter().map(set_up).collect();
    orders(&setups, hands, facts.tools_stay, facts.own.as_ref(), voice)
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
    let members = match &job.part {
        Some(part) => store.members(part)?,
        None => vec![job.clone()],
    };
    let mirrored = hands.iter().any(|h| *h != own);
    let mut made = Vec::new();
    for member in &members {
        let stored::Document { whole: request, unknown, .. } = stored::request(member)?;
        let mut other = request.clone();
        // Of a part of the other hand every thread is: a turnbuckle's two ends change places.
        let hand = if hand_of(member)? == Hand::Right { Hand::Left } else { Hand::Right };
        merge(&mut other, json!({ "thread": { "hand": hand } }));
        // Every part is one of these two, so these are what has to plan.
        for request in [Some(&request), Some(&other).filter(|_| mirrored)].into_iter().flatten() {
            if let Err(faults) = keepable(store, request, &unknown, voice)? {
                return Ok(Outcome::Faulty(faults));
            }
        }
        made.push([request.to_string(), other.to_string()]);
    }
    let places: Vec<PlaceMade> = hands[1..].iter().zip(2..).map(|(hand, place)| PlaceMade::of(&members, *hand != own, place)).collect();
    let parts: Vec<NewPart<'_>> = places.iter().flat_map(|p| p.parts(&members, &made, now)).collect();
    Ok(match as_batch(store, &job, &parts)? {
        PartsAdded::Done => Outcome::Done(()),
        PartsAdded::Already => Outcome::Conflict("/problems/batched", "srv-batched-already"),
        PartsAdded::Moved => Outcome::Conflict("/problems/stale", "srv-job-changed-meanwhile"),
        PartsAdded::Missing => Outcome::Missing,
    })
}

/// A part to be made at a place: a job for each of these, with its title.
struct PlaceMade {
    place: i64,
    mirrored: bool,
    named: Vec<(String, String)>,
}

impl PlaceMade {
    fn of(members: &[JobRow], mirrored: bool, place: i64) -> Self {
        let title = |m: &JobRow| format!("{}: part {place}", m.title.chars().take(100).collect::<String>());
        Self { place, mirrored, named: members.iter().map(|m| (uuid::Uuid::new_v4().to_string(), title(m))).collect() }
    }

    /// Its jobs; several belong together, a mate to its own.
    fn parts<'a>(&'a self, members: &'a [JobRow], requests: &'a [[String; 2]], created: &'a str) -> Vec<NewPart<'a>> {
        let named = |of: &Option<String>| members.iter().position(|m| Some(&m.id) == of.as_ref()).map(|i| self.named[i].0.as_str());
        let part = (members.len() > 1).then(|| self.named[0].0.as_str());
        let new = |(i, member): (usize, &'a JobRow)| {
            let (id, title) = &self.named[i];
            NewPart { id, title, request: &requests[i][usize::from(self.mirrored)], created, place: self.place, part, mate: named(&member.mate) }
        };
        members.iter().enumerate().map(new).collect()
    }
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

/// From where a part is begun again.
#[derive(Default, Deserialize, IntoParams)]
#[serde(default)]
#[into_params(parameter_in = Query)]
pub struct AgainQuery {
    /// The first operation of the route to be done again, those before it being done on the new piece already; all when absent.
    from: Option<String>,
}

/// Begins a scrapped part again: a new job in its place, with the same facts. A part alone becomes a batch of one, so that the tally keeps
/// what was spoilt.
#[utoipa::path(post, path = "/api/v1/jobs/{id}/batch/again", params(("id" = String, Path), AgainQuery),
    responses((status = 201, body = JobView), (status = 404, body = Problem), (status = 409, body = Problem), (status = 422, body = Problem)))]
pub async fn again(
    State(app): State<App>,
    voice: Asked,
    Path(id): Path<String>,
    Query(asked): Query<AgainQuery>,
) -> Result<(StatusCode, Json<JobView>), Problem> {
    let (of, now) = (id.clone(), (app.clock)());
    let view = app.reckon(move |store| begin_again(store, &of, asked.from.as_deref(), &now, voice)).await?.answered()?;
    JobChanged::tell(&app, &id, 0, 0);
    Ok((StatusCode::CREATED, Json(*view)))
}

/// The operations of the route a job is in that come before one: those done on what takes the spoilt piece's place. A fault where there is
/// no such operation.
fn done_before(store: &Store, job: &JobRow, from: Option<&str>, voice: Asked) -> Result<Result<Vec<String>, Fault>, Failed> {
    let Some(from) = from else { return Ok(Ok(Vec::new())) };
    let route = PlannedRoute::of(store, job, voice)?.route(store)?.0;
    let ops: Vec<&str> = route.ops().map(|(_, op)| op.id.as_str()).collect();
    let at = ops.iter().position(|op| *op == from);
    Ok(at.map(|at| ops[..at].iter().map(|op| (*op).to_owned()).collect()).ok_or_else(|| Fault::new("/from", say!(voice.plain(), "srv-again-from"))))
}

/// Makes a part that stands alone a batch of one.
fn alone(store: &Store, job: &JobRow) -> Result<bool, Failed> {
    let first = match &job.part {
        Some(part) => store.job(part)?,
        None => Some(job.clone()),
    };
    let Some(first) = first else { return Ok(false) };
    Ok(as_batch(store, &first, &[])? == PartsAdded::Done)
}

/// Makes a job the first of a new batch, with these parts after it.
fn as_batch(store: &Store, first: &JobRow, parts: &[NewPart<'_>]) -> Result<PartsAdded, Failed> {
    let facts = BatchFacts { plain: own_plain(first)?, ..BatchFacts::default() };
    let body = serde_json::to_string(&facts).map_err(|e| stored::Unread { detail: e.to_string() })?;
    Ok(store.add_parts(&first.id, AddParts::Of { revision: first.revision, kind: KIND, body: &body }, parts)?)
}

fn begin_again(store: &Store, id: &str, from: Option<&str>, now: &str, voice: Asked) -> Result<Outcome<Box<JobView>>, Failed> {
    let Some(mut job) = store.job(id)? else { return Ok(Outcome::Missing) };
    if run_of(store, &job)?.is_none_or(|(_, state)| state.scrapped.is_none()) {
        return Ok(Outcome::Conflict("/problems/not-scrapped", "srv-not-scrapped"));
    }
    let done = match done_before(store, &job, from, voice)? {
        Ok(done) => done,
        Err(fault) => return Ok(Outcome::Faulty(vec![fault])),
    };
    if job.batch.is_none() {
        if !alone(store, &job)? {
            return Ok(Outcome::Conflict("/problems/stale", "srv-job-changed-meanwhile"));
        }
        let Some(now_in_one) = store.job(id)? else { return Ok(Outcome::Missing) };
        job = now_in_one;
    }
    let (Some(batch), Some(place)) = (&job.batch, job.place) else {
        return Ok(Outcome::Conflict("/problems/no-batch", "srv-in-no-batch"));
    };
    let parts = whole_parts(store, batch)?;
    let Some(part) = standing(&parts).find(|p| p.jobs().any(|j| j.id == job.id)) else {
        return Ok(Outcome::Conflict("/problems/begun-again", "srv-begun-again"));
    };
    // Every thread of the piece is made anew; the others of the part stay with it.
    let (piece, others): (Vec<&JobRow>, Vec<&JobRow>) = part.jobs().partition(|j| on_one_piece(part, &job, j));
    let anew: Vec<(String, String)> = piece
        .iter()
        .map(|j| {
            let bare = j.title.strip_suffix(", again").unwrap_or(&j.title);
            (uuid::Uuid::new_v4().to_string(), format!("{}, again", bare.chars().take(110).collect::<String>()))
        })
        .collect();
    let renamed = |id: &Option<String>| {
        let at = piece.iter().position(|j| Some(&j.id) == id.as_ref());
        at.map(|i| anew[i].0.as_str()).or_else(|| others.iter().find(|j| Some(&j.id) == id.as_ref()).map(|j| j.id.as_str()))
    };
    let kept_name = others.iter().any(|j| j.id == part.part).then_some(part.part.as_str());
    let name = if piece.len() + others.len() > 1 { kept_name.or(anew.first().map(|a| a.0.as_str())) } else { None };
    let new = |(j, (id, title)): (&&'_ JobRow, &'_ (String, String))| (id.clone(), title.clone(), j.request.clone(), renamed(&j.mate).map(str::to_owned));
    let made: Vec<(String, String, String, Option<String>)> = piece.iter().zip(&anew).map(new).collect();
    let parts: Vec<NewPart<'_>> =
        made.iter().map(|(id, title, request, mate)| NewPart { id, title, request, created: now, place, part: name, mate: mate.as_deref() }).collect();
    let jobs: Vec<&str> = piece.iter().map(|j| j.id.as_str()).collect();
    let others: Vec<(&str, Option<&str>)> = others.iter().map(|j| (j.id.as_str(), renamed(&j.mate))).collect();
    if store.add_parts(batch, AddParts::Again { jobs: &jobs, part: name, others: &others }, &parts)? != PartsAdded::Done {
        return Ok(Outcome::Conflict("/problems/begun-again", "srv-begun-again"));
    }
    let new = piece.iter().position(|j| j.id == job.id).and_then(|i| anew.get(i)).map(|a| a.0.clone()).unwrap_or_default();
    let Some(job) = store.job(&new)? else { return Ok(Outcome::Missing) };
    if !done.is_empty() {
        let ticked = PlannedRoute::of(store, &job, voice)?.ticked;
        for op in &done {
            store.tick(&ticked, op, Some((now, None)))?;
        }
    }
    Ok(Outcome::Done(Box::new(view(store, &job, voice)?)))
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

/// What the parts read so far hand on to this thread of another.
fn carried_to(store: &Store, batch: &str, job: &JobRow, voice: Asked) -> Result<Option<CarriedOver>, Failed> {
    let parts = whole_parts(store, batch)?;
    let looked = parts.iter().map(|part| PartSummary::of(store, part)).collect::<Result<Vec<_>, _>>()?;
    let slot = slot_of(&parts, &job.id).unwrap_or(0);
    let made: Vec<PartResult> = looked.iter().map(PartSummary::made).collect();
    let spoken = voice.of_job(job);
    let columns = tally(&made, &threads_of(store, &parts, voice)?, &[], spoken).columns;
    let drift = drift_of(&columns, slot);
    Ok(carry_over(&found_of(&looked, slot), drift.as_ref(), spoken))
}

/// How the tip that cuts this slot's thread drifts.
fn drift_of(columns: &[Column], slot: usize) -> Option<Drift> {
    columns.iter().find(|c| c.tool_of == Some(slot))?.drift
}

fn carry_to(store: &Store, id: &str, voice: Asked) -> Result<Outcome<Box<JobView>>, Failed> {
    let Some(job) = store.job(id)? else { return Ok(Outcome::Missing) };
    if job.frozen.is_some() {
        return Ok(Outcome::Conflict("/problems/begun", "srv-its-cut-has-begun"));
    }
    let found = job.batch.as_ref().map(|b| carried_to(store, b, &job, voice)).transpose()?.flatten();
    let Some(found) = found else {
        return Ok(Outcome::Conflict("/problems/nothing-found", "srv-no-part-read"));
    };
    let stored::Document { whole: mut request, unknown, .. } = stored::request(&job)?;
    merge(&mut request, tip_told(found.flat_mm));
    merge(&mut request, spring_told(found.spring, found.spring_doubt));
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
