//! Jobs: facts under a revision, with the plan and the state of the run.

use crate::body::Sent;
use crate::planning::{Inputs, Whole, first_lathe, request_of};
use crate::problem::Problem;
use crate::state::App;
use crate::stored::{self, Document, Failed, Unread, acts, alike, apart, differences};
use crate::voice::Asked;
use axum::Json;
use yoke_core::say;

use axum::extract::{Path, Query, State};
use axum::http::StatusCode;
use serde::{Deserialize, Serialize};
use serde_json::value::{RawValue, to_raw_value};
use serde_json::{Value, json};
use utoipa::{IntoParams, ToSchema};
use yoke_core::faults::Fault;
use yoke_core::gauge::VerdictKind;
use yoke_core::job::PlanRequest;
use yoke_core::job::pad::{PadWorked, worked};
use yoke_core::log::{RunState, fold};
use yoke_core::plan::{ENGINE, OtherEngine, Plan};
use yoke_core::run::{READING_DOUBT_MM, RunPlan};
use yoke_core::sheets::{OnBoard, on_board};
use yoke_core::thread::{Side, callout};
use yoke_core::voice::Voice;
use yoke_core::watch::{Code, Level, Watch};
use yoke_store::{JobRow, Store};

/// A job on the board.
#[derive(Serialize, ToSchema)]
pub struct JobLine {
    /// Stable name.
    id: String,
    /// Title.
    title: String,
    /// The thread as written.
    thread: String,
    /// The stored lathe it is on.
    lathe_id: Option<String>,
    /// Its lathe's name.
    lathe: String,
    /// Whether it is on a lathe somebody told, kept or given with it.
    lathe_told: bool,
    /// Passes cut.
    passes_done: usize,
    /// How it stands, in words.
    stands: String,
    /// Whether the thread is proven.
    finished: bool,
    /// When it was made.
    created: String,
    /// The part it belongs to, when it carries other threads or has a mate.
    part: Option<String>,
    /// The batch it is one of.
    batch: Option<String>,
    /// Its place in the batch.
    place: Option<i64>,
    /// Whether it was scrapped.
    scrapped: bool,
    /// What comes next, and its thread in a few strokes; absent of one that does not plan.
    #[serde(skip_serializing_if = "Option::is_none")]
    shows: Option<OnBoard>,
    /// Why it is not shown whole: what is kept of it does not read.
    #[serde(skip_serializing_if = "Option::is_none")]
    unread: Option<String>,
}

/// Another thread of the same part.
#[derive(Serialize, ToSchema)]
pub struct MemberLine {
    /// Its job.
    id: String,
    /// Title.
    title: String,
    /// Whether it is the mate of this one.
    mate: bool,
    /// Which member it is, when its thread is known.
    side: Option<Side>,
}

/// A job, whole.
#[derive(Serialize, ToSchema)]
pub struct JobView {
    /// Stable name.
    id: String,
    /// Title.
    title: String,
    /// Goes up with every change of the facts.
    revision: i64,
    /// Acts recorded.
    sequence: i64,
    /// When it was made.
    created: String,
    /// Its facts.
    #[schema(value_type = PlanRequest)]
    request: Value,
    /// Whether the plan is frozen: the cut has begun.
    frozen: bool,
    /// The plan; absent when the facts no longer plan.
    #[schema(value_type = Option<Plan>)]
    plan: Option<Box<RawValue>>,
    /// Why not, when they do not.
    faults: Vec<Fault>,
    /// How the run stands.
    run: Option<RunState>,
    /// The other threads of its part.
    members: Vec<MemberLine>,
    /// The batch it is one of.
    batch: Option<String>,
    /// Its place in the batch.
    place: Option<i64>,
    /// When it was put away.
    away: Option<String>,
    /// Facts told since its plan was frozen, as pointers: none of them moves a depth.
    changed_since: Vec<String>,
    /// The bench pad as it stands now, where it was told since the plan was frozen.
    #[serde(skip_serializing_if = "Option::is_none")]
    pad: Option<PadWorked>,
    /// What is said of a plan that another version of the reckoning froze.
    #[serde(skip_serializing_if = "Option::is_none")]
    frozen_by: Option<String>,
    /// Whether its plan is shown as it was stored, in another unit or other words than were asked: an earlier version spoke it.
    #[serde(skip_serializing_if = "std::ops::Not::not")]
    as_stored: bool,
}

impl JobView {
    /// Stable name.
    pub fn id(&self) -> &str {
        &self.id
    }

    /// Revision of the facts.
    pub const fn revision(&self) -> i64 {
        self.revision
    }

    /// Acts recorded.
    pub const fn sequence(&self) -> i64 {
        self.sequence
    }
}

/// A new job: a callout and a lathe, or a whole request.
#[derive(Default, Deserialize, ToSchema)]
#[serde(default, deny_unknown_fields)]
pub struct NewJob {
    /// Title; the thread's name when absent.
    title: Option<String>,
    /// A callout, instead of a whole request.
    callout: Option<String>,
    /// A stored lathe, with `callout`.
    lathe_id: Option<String>,
    /// A whole plan request.
    #[schema(value_type = Option<PlanRequest>)]
    request: Option<Value>,
    /// A job whose facts it begins with, and none of what was done.
    copy_of: Option<String>,
    /// Made by the client, so that the same sent twice makes one job.
    id: Option<String>,
}

/// The frozen or the present plan of a job: its JSON, its run, or the faults in the way.
type Planned = Result<(Box<RawValue>, RunPlan), Vec<Fault>>;

fn as_json(plan: Plan) -> Result<(Box<RawValue>, RunPlan), Vec<Fault>> {
    let raw = plan.json().map_err(|e| vec![Fault::new("", e.to_string())])?;
    Ok((raw, plan.run))
}

/// A frozen plan comes as it was stored, in its own voice: its figures are the same in any.
fn planned(store: &Store, job: &JobRow, voice: Asked) -> Result<Planned, Failed> {
    match &job.frozen {
        None => Ok(inputs(store, job, voice)?.whole().and_then(|(plan, ..)| as_json(plan))),
        Some(frozen) => Ok(Ok((stored::frozen_plan(job, frozen)?, stored::frozen_run(job, frozen)?))),
    }
}

/// What a job not begun is planned from: its facts as they stand.
pub fn inputs(store: &Store, job: &JobRow, voice: Asked) -> Result<Inputs, Failed> {
    let Document { whole, unknown, .. } = facts(store, job)?;
    Inputs::of(store, whole, &unknown, voice)
}

/// A job's plan, reckoned again with what is made from it on request: of one begun, from what its plan was frozen from, so that everything
/// speaks of that plan whatever became of the lathe, the drawer or the facts since.
pub fn whole_of(store: &Store, job: &JobRow, voice: Asked) -> Result<Result<Whole, Vec<Fault>>, Failed> {
    let inputs = Inputs::of_job(store, job, voice, || facts(store, job))?;
    let run = stored::run(job)?;
    Ok(inputs.whole().and_then(|(mut plan, facts, lathe, kit)| {
        let by = other_engine(job);
        if let Some(run) = run {
            let run = run.spoken_as(plan.run.clone());
            // What another engine reckons otherwise must not stand beside the run that was begun.
            if let Some(by) = by.filter(|_| !alike(&json!(run), &json!(plan.run))) {
                return Err(vec![Fault::new("", by.refuses(voice.of_job(job)))]);
            }
            plan.run = run;
        }
        if let Some(by) = by {
            let dangers = plan.watch.iter().take_while(|w| w.level == Level::Danger).count();
            plan.watch.insert(dangers, Watch::new(Level::Warn, Code::OtherEngine, "cut", by.says(voice.of_job(job))));
        }
        Ok((plan, facts, lathe, kit))
    }))
}

/// What is said of a job whose plan another version of the reckoning froze.
fn frozen_by(store: &Store, job: &JobRow, voice: Asked) -> Result<Option<String>, Failed> {
    let Some(by) = other_engine(job) else { return Ok(None) };
    Ok(Some(if whole_of(store, job, voice)?.is_ok() { by.says(voice.of_job(job)) } else { by.refuses(voice.of_job(job)) }))
}

/// The other version of the reckoning that froze a job's plan, if one did.
fn other_engine(job: &JobRow) -> Option<OtherEngine<'_>> {
    job.frozen.as_ref().and_then(|f| OtherEngine::of(&f.engine))
}

/// How a job's run stands, with the run it is judged by, for its figures alone; nothing when it does not plan.
pub fn run_of(store: &Store, job: &JobRow) -> Result<Option<(RunPlan, RunState)>, Failed> {
    let Ok((_, run)) = planned(store, job, Asked::default())? else { return Ok(None) };
    let state = fold(&run, &acts(store, job)?, Voice::default());
    Ok(Some((run, state)))
}

/// A job's plan as JSON, for its figures alone, and whether it is done with, proven or scrapped; nothing when it does not plan.
pub fn planned_json(store: &Store, job: &JobRow) -> Result<Option<(Value, bool)>, Failed> {
    let Ok((plan, run)) = planned(store, job, Asked::default())? else { return Ok(None) };
    let state = fold(&run, &acts(store, job)?, Voice::default());
    let finished = job.frozen.is_some() && state.finished || state.scrapped.is_some();
    let plan = serde_json::from_str(plan.get()).map_err(|e| Unread { detail: e.to_string() })?;
    Ok(Some((plan, finished)))
}

/// A job's facts, with its mate's size as made: the second of a pair follows the first.
pub fn facts(store: &Store, job: &JobRow) -> Result<Document<PlanRequest>, Failed> {
    let mut document = stored::request(job)?;
    let request = &mut document.whole;
    let told = ["/mate/made_pitch_diameter_mm", "/mate/made_over_wires_mm"].iter().any(|at| request.pointer(at).is_some_and(Value::is_number));
    if let (false, true, Some(mate)) = (told, request["mate"].is_object(), &job.mate)
        && let Some(mate) = store.job(mate)?
        && let Some(made) = made(store, &mate)?
    {
        let of_mate = &mut request["mate"];
        of_mate["made_pitch_diameter_mm"] = made.pitch.into();
        if let Some(doubt) = made.doubt {
            of_mate["made_doubt_mm"] = doubt.into();
        }
        // Crest and root told by hand stand.
        for (field, size) in [("made_crest_mm", made.crest), ("made_root_mm", Some(made.root))] {
            if let (true, Some(size)) = (of_mate[field].is_null(), size) {
                of_mate[field] = size.into();
            }
        }
    }
    Ok(document)
}

/// What a job was cut to, mm.
struct CutSizes {
    pitch: f64,
    /// How far that may be out, where it was not measured.
    doubt: Option<f64>,
    /// Crest as turned or bored, when that was measured.
    crest: Option<f64>,
    /// Root the tip left.
    root: f64,
}

/// What a job was cut to, once its last reading says the cutting is over.
fn made(store: &Store, job: &JobRow) -> Result<Option<CutSizes>, Failed> {
    let Some(run) = stored::run(job)? else { return Ok(None) };
    let state = fold(&run, &acts(store, job)?, Voice::default());
    if state.scrapped.is_some() {
        return Ok(None);
    }
    let crest = stored::request(job)?.read.blank.diameter_mm;
    let judged = state.verdict.filter(|v| matches!(v.verdict, VerdictKind::InLimits | VerdictKind::PastLimit)).map(|v| v.pitch_diameter_mm);
    // Finished by numbers, it still has the size it is expected to have come to.
    Ok(judged.or_else(|| state.closed.then_some(state.expected_mm)).map(|size| {
        let doubt = Some(size.doubt).filter(|mm| *mm > 2.0 * READING_DOUBT_MM);
        CutSizes { pitch: size.value, doubt, crest, root: run.root_at(size.value) }
    }))
}

/// Which member a request cuts, when its thread reads.
pub(crate) fn side_of(request: &PlanRequest) -> Option<Side> {
    let thread = &request.thread;
    // Sizes of one's own are a screw's unless the side says otherwise.
    let special = || thread.special.as_ref().map(|_| Side::External);
    thread.side.or_else(special).or_else(|| Some(callout::read(thread.callout.as_deref()?).ok()?.side))
}

/// The other threads of a job's part.
fn members(store: &Store, job: &JobRow) -> Result<Vec<MemberLine>, Failed> {
    let Some(part) = &job.part else { return Ok(Vec::new()) };
    let others = store.members(part)?.into_iter().filter(|m| m.id != job.id);
    // Another's facts that do not read are said where that one is opened.
    let side = |m: &JobRow| stored::request(m).ok().and_then(|d| side_of(&d.read));
    Ok(others.map(|m| MemberLine { mate: job.mate.as_ref() == Some(&m.id), side: side(&m), id: m.id, title: m.title }).collect())
}

/// A job, whole, from its row.
pub fn view(store: &Store, job: &JobRow, voice: Asked) -> Result<JobView, Failed> {
    let acts = acts(store, job)?;
    let Document { whole: request, read, .. } = stored::request(job)?;
    let frozen_from = stored::frozen_request(job)?;
    let changed_since = frozen_from.as_ref().map_or_else(Vec::new, |frozen| {
        // The mate's size, as its maker left it, is not told here.
        differences(frozen, &request).into_iter().filter(|p| !p.starts_with("/mate/made_")).collect()
    });
    let from = frozen_from.as_ref().unwrap_or(&Value::Null);
    let (asked, own) = (voice.of(from), Asked::default().of(from));
    let otherwise = job.frozen.is_some() && !asked.speaks_as(own);
    // Another engine would reckon another plan, so what it froze is shown as it was stored; so is what nothing is kept to say again from.
    let again = asked != own && frozen_from.is_some() && job.frozen.as_ref().is_some_and(|f| f.engine == ENGINE);
    // The same plan in another voice: what is said of it is said again, its run stands as it was begun.
    let planned = if again { whole_of(store, job, voice)?.and_then(|(plan, ..)| as_json(plan)) } else { planned(store, job, voice)? };
    let (plan, run, faults) = match planned {
        Ok((plan, run)) => (Some(plan), Some(fold(&run, &acts, voice.of(&request))), Vec::new()),
        Err(faults) => (None, None, faults),
    };
    let pad = changed_since.iter().any(|at| at.starts_with("/pad")).then(|| worked(&read, voice.of(&request))).flatten();
    Ok(JobView {
        id: job.id.clone(),
        title: job.title.clone(),
        revision: job.revision,
        sequence: job.sequence,
        created: job.created.clone(),
        request,
        as_stored: otherwise && !again,
        frozen: job.frozen.is_some(),
        plan,
        faults,
        run,
        members: members(store, job)?,
        batch: job.batch.clone(),
        place: job.place,
        away: job.away.clone(),
        changed_since,
        frozen_by: frozen_by(store, job, voice)?,
        pad,
    })
}

/// How a job stands, in words, by its run.
pub fn stands(run: Option<&(RunPlan, RunState)>, voice: Voice) -> String {
    match run {
        None => say!(voice, "stands-needs-mending"),
        Some((_, s)) if s.scrapped.is_some() => say!(voice, "board-scrapped"),
        Some((_, s)) if s.finished => say!(voice, "plain-in-limits"),
        Some((_, s)) if !s.begun => say!(voice, "stands-not-begun"),
        Some((run, s)) => say!(voice, "stands-passes", done = s.passes_done, of = run.passes.len()),
    }
}

/// The line of a job that does not read: it says so, and what to do.
fn unread_line(job: JobRow, unread: Unread) -> JobLine {
    JobLine {
        thread: String::new(),
        lathe_id: None,
        lathe: String::new(),
        lathe_told: true,
        passes_done: 0,
        stands: say!(Voice::default(), "stands-does-not-read"),
        finished: false,
        scrapped: false,
        shows: None,
        unread: Some(unread.detail),
        id: job.id,
        title: job.title,
        created: job.created,
        part: job.part,
        batch: job.batch,
        place: job.place,
    }
}

fn line(store: &Store, job: &JobRow) -> Result<JobLine, Failed> {
    let request = stored::request(job)?.read;
    let lathe = match request.lathe_id.as_deref().map(|id| store.lathe(id)).transpose()?.flatten() {
        Some(row) => stored::lathe(&row)?.read.name,
        None => None,
    };
    let whole = whole_of(store, job, Asked::default())?.ok();
    // One not begun runs as it is planned here; one begun as it was frozen, whether what it was frozen from still plans or not.
    let run = match (&job.frozen, &whole) {
        (None, Some((plan, ..))) => Some((plan.run.clone(), fold(&plan.run, &acts(store, job)?, Voice::default()))),
        (None, None) => None,
        (Some(_), _) => run_of(store, job)?,
    };
    let shows = run.as_ref().zip(whole.as_ref()).map(|((_, state), (plan, ..))| on_board(plan, state));
    let (sought, lathe_told) = (request.awaits_identification(), !request.on_no_lathe());
    let stands = if run.is_none() && sought { say!(Voice::default(), "stands-to-identify") } else { stands(run.as_ref(), Voice::default()) };
    let state = run.map(|(_, state)| state);
    let text = request.thread.callout.unwrap_or_default();
    Ok(JobLine {
        id: job.id.clone(),
        title: job.title.clone(),
        thread: match (sought, request.thread.special.is_some()) {
            (true, _) => say!(Voice::default(), "thread-a-sample"),
            (_, true) => say!(Voice::default(), "thread-a-special"),
            _ => callout::read(&text).map_or(text, |mut spec| {
                spec.hand = request.thread.hand.unwrap_or(spec.hand);
                spec.name()
            }),
        },
        lathe_told,
        lathe: lathe
            .or_else(|| request.lathe.map(|given| given.name.unwrap_or_else(|| say!(Voice::default(), "stands-a-lathe-given"))))
            .unwrap_or_else(|| say!(Voice::default(), "stands-no-lathe")),
        lathe_id: request.lathe_id,
        passes_done: state.as_ref().map_or(0, |s| s.passes_done),
        finished: state.as_ref().is_some_and(|s| s.finished),
        stands,
        created: job.created.clone(),
        part: job.part.clone(),
        batch: job.batch.clone(),
        place: job.place,
        scrapped: state.as_ref().is_some_and(|s| s.scrapped.is_some()),
        shows,
        unread: None,
    })
}

/// Which jobs are listed.
#[derive(Deserialize, IntoParams)]
#[into_params(parameter_in = Query)]
pub struct Board {
    /// Those put away, in place of those on the board.
    #[serde(default)]
    away: bool,
}

/// The job board. What it shows of a job is kept with it until it moves on.
#[utoipa::path(get, path = "/api/v1/jobs", params(Board), responses((status = 200, body = Vec<JobLine>)))]
pub async fn list(State(app): State<App>, _: Asked, Query(asked): Query<Board>) -> Result<Json<Vec<Box<RawValue>>>, Problem> {
    app.with_store(move |store| board(store, asked.away)).await.map(Json)
}

fn board(store: &Store, away: bool) -> Result<Vec<Box<RawValue>>, Failed> {
    let (mut shown, mut made) = (Vec::new(), Vec::new());
    for row in store.board()?.into_iter().filter(|row| row.away.is_some() == away) {
        let stamp = format!("{ENGINE}/{}/{}/{}", row.revision, row.facts_revision, row.sequence);
        let kept = row.line.filter(|(of, _)| *of == stamp).and_then(|(_, text)| RawValue::from_string(text).ok());
        if let Some(kept) = kept {
            shown.push(kept);
            continue;
        }
        let Some(job) = store.job(&row.id)? else { continue };
        let line = apart(line(store, &job))?;
        let sound = line.is_ok();
        let line = line.unwrap_or_else(|unread| unread_line(job, unread));
        let raw = to_raw_value(&line).map_err(|e| Unread { detail: e.to_string() })?;
        if sound {
            made.push((row.id, stamp, raw.get().to_owned()));
        }
        shown.push(raw);
    }
    store.keep_lines(&made)?;
    Ok(shown)
}

/// Letters of a title at most.
const TITLE_LETTERS: usize = 120;

/// A title made of others, no longer than one may be.
pub fn title_cut(title: &str) -> String {
    title.chars().take(TITLE_LETTERS).collect()
}

pub fn title_fault(title: &str) -> Option<Fault> {
    let sound = !title.trim().is_empty() && title.chars().count() <= TITLE_LETTERS && !title.chars().any(char::is_control);
    (!sound).then(|| Fault::new("/title", say!(Voice::default(), "srv-title-1-120-characters-no")))
}

/// A name made by a client, or by a file, that stands in addresses and file names.
pub fn name_fault(at: &str, id: &str) -> Option<Fault> {
    let plain = |c: char| c.is_alphanumeric() || matches!(c, '-' | '_' | '.' | ' ' | ':' | '\'' | '(' | ')');
    let sound = (1..=64).contains(&id.chars().count()) && id.chars().all(plain) && !id.starts_with('.');
    (!sound).then(|| Fault::new(at, say!(Voice::default(), "srv-id-1-64-letters-digits")))
}

/// Whether a request may be kept as a job, and what it is called: it plans, or it is a sample whose
/// thread is still sought and has no other fault.
pub fn keepable(store: &Store, request: &Value, newer: &[String], voice: Asked) -> Result<Result<String, Vec<Fault>>, Failed> {
    Ok(Inputs::of(store, request.clone(), newer, voice)?.whole().map(|(plan, ..)| plan.thread.name).or_else(|faults| {
        let sought = serde_json::from_value::<PlanRequest>(stored::without(request.clone(), newer)).is_ok_and(|r| r.awaits_identification());
        if sought && faults.iter().all(|f| f.pointer == "/thread/callout") { Ok(say!(Voice::default(), "thread-sample-found")) } else { Err(faults) }
    }))
}

/// Makes a job.
#[utoipa::path(post, path = "/api/v1/jobs", request_body = NewJob, responses((status = 201, body = JobView), (status = 422, body = Problem)))]
pub async fn add(State(app): State<App>, voice: Asked, Sent { read: new, mut faults }: Sent<NewJob>) -> Result<(StatusCode, Json<JobView>), Problem> {
    let told = [new.request.is_some(), new.callout.is_some(), new.copy_of.is_some()];
    if told.iter().filter(|t| **t).count() != 1 {
        faults.push(Fault::new("/callout", say!(Voice::default(), "srv-give-callout-whole-request-copyof")));
    }
    faults.extend(new.title.as_deref().and_then(title_fault));
    faults.extend(new.id.as_deref().and_then(|id| name_fault("/id", id)));
    if !faults.is_empty() {
        return Err(Problem::faulty(faults));
    }
    let created = (app.clock)();
    match app.reckon(move |store| make(store, new, &created, voice)).await? {
        Outcome::Done(view) => Ok((StatusCode::CREATED, Json(*view))),
        Outcome::Faulty(faults) => Err(Problem::faulty(faults)),
        Outcome::Taken => Err(Problem::conflict("/problems/job-differs", say!(Voice::default(), "srv-job-id-here-already-says"), None)),
        Outcome::Stale(_) | Outcome::Begun(_) | Outcome::Missing => Err(Problem::missing("job")),
    }
}

fn make(store: &Store, new: NewJob, created: &str, voice: Asked) -> Result<Outcome, Failed> {
    let copied = match &new.copy_of {
        None => None,
        Some(of) => match store.job(of)? {
            None => {
                return Ok(Outcome::Faulty(vec![Fault::new(
                    "/copy_of",
                    say!(Voice::default(), "srv-there-no-job-copy", of = of.chars().take(80).collect::<String>()),
                )]));
            }
            Some(job) => Some((stored::request(&job)?, job.title)),
        },
    };
    let (request, newer, title) = match (copied, new.request, new.callout) {
        (Some((kept, title)), ..) => {
            (kept.whole, kept.unknown, Some(say!(Voice::default(), "title-copied", title = title.chars().take(110).collect::<String>())))
        }
        (None, Some(request), _) => (request, Vec::new(), None),
        (None, None, text) => {
            let lathe = new.lathe_id.map_or_else(|| first_lathe(store), |id| Ok(Some(id)))?;
            (request_of(&text.unwrap_or_default(), lathe.as_deref()), Vec::new(), None)
        }
    };
    let text = request.to_string();
    let id = new.id.unwrap_or_else(|| uuid::Uuid::new_v4().to_string());
    // Sent twice it is one job; what was changed of it since is its own.
    let first = |job: JobRow| -> Result<Outcome, Failed> {
        if job.request == text || job.revision > 1 { Ok(Outcome::Done(Box::new(view(store, &job, voice)?))) } else { Ok(Outcome::Taken) }
    };
    if let Some(job) = store.job(&id)? {
        return first(job);
    }
    let name = match keepable(store, &request, &newer, voice)? {
        Ok(name) => name,
        Err(faults) => return Ok(Outcome::Faulty(faults)),
    };
    // Should another have come in meanwhile under the id, it is answered as the first.
    let added = store.add_job(&id, &new.title.or(title).unwrap_or(name), &text, created)?;
    match store.job(&id)? {
        Some(job) if added => Ok(Outcome::Done(Box::new(view(store, &job, voice)?))),
        Some(job) => first(job),
        None => Ok(Outcome::Missing),
    }
}

/// One job, whole.
#[utoipa::path(get, path = "/api/v1/jobs/{id}", params(("id" = String, Path)), responses((status = 200, body = JobView), (status = 404, body = Problem), (status = 409, body = Problem)))]
pub async fn one(State(app): State<App>, voice: Asked, Path(id): Path<String>) -> Result<Json<JobView>, Problem> {
    let found = app.reckon(move |store| store.job(&id)?.map(|job| view(store, &job, voice)).transpose()).await?;
    found.map(Json).ok_or_else(|| Problem::missing("job"))
}

/// RFC 7396: null takes a field away, an object is merged, anything else replaces.
pub fn merge(target: &mut Value, patch: Value) {
    match patch {
        Value::Object(patch) => {
            if !target.is_object() {
                *target = Value::Object(serde_json::Map::new());
            }
            if let Value::Object(map) = target {
                for (key, value) in patch {
                    if value.is_null() {
                        map.remove(&key);
                    } else {
                        merge(map.entry(key).or_insert(Value::Null), value);
                    }
                }
            }
        }
        other => *target = other,
    }
}

/// What came of making or changing a job.
pub(crate) enum Outcome {
    Done(Box<JobView>),
    Stale(Box<JobView>),
    Begun(Box<JobView>),
    Faulty(Vec<Fault>),
    Taken,
    Missing,
}
