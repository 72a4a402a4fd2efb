//! The shop, or one job, as one JSON file: out in a fixed order, in only after every part of it was read.
//!
//! Keys stand in order, numbers as they were written, and nothing in it tells when it was made: the same shop gives the same bytes.

use crate::acts::{read_act, time_fault};
use crate::day;
use crate::download::saved_as;
use crate::instruments::follow::{FOLLOWING, TOLD};
use crate::jobs::{name_fault, title_fault};
use crate::problem::Problem;
use crate::rehearse;
use crate::state::{App, JobChanged};
use crate::stored::{self, is_unknown};
use crate::test_pieces;
use crate::words::ShopWords;
use axum::Json;
use axum::body::Bytes;
use axum::extract::{Path, State};
use axum::response::Response;
use serde::{Deserialize, Serialize};
use serde_json::value::RawValue;
use std::collections::{BTreeMap, BTreeSet};
use std::sync::atomic::{AtomicU64, Ordering};
use utoipa::ToSchema;
use yoke_core::batch::{BatchFacts, MOST_PARTS, TestPieceFacts};
use yoke_core::faults::{Fault, plain_words, read_json, read_value};
use yoke_core::instruments::{Following, Instruments};
use yoke_core::job::{Kit, LatheProfile, PlanRequest};
use yoke_core::log::ActKind;
use yoke_core::rehearse::Tries;
use yoke_core::route::{OpTook, Route};
use yoke_core::run::RunPlan;
use yoke_core::say;
use yoke_core::voice::Voice;
use yoke_store::{ActRow, Frozen, JobRow, LatheRow, SheetRow, Store, StoreError, TakenIn, TickRow, VerifiedCopy, Whole, WholeJob};

/// What the file calls itself, and the version it is written in.
const FORMAT: &str = "yoke-turn-shop";
const VERSION: u32 = 1;
/// Largest file taken in, bytes.
pub const LARGEST_FILE: usize = 64 * 1024 * 1024;
/// More faults than this of one file help nobody.
const FAULTS: usize = 50;

/// A shop, or a part of one.
#[derive(Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct ShopFile {
    /// `yoke-turn-shop`.
    format: String,
    /// 1.
    version: u32,
    /// Lathes, as `docs/formats/lathe.md` has them under `body`.
    lathes: Vec<LatheFile>,
    /// The drawer.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    #[schema(value_type = Option<Kit>)]
    kit: Option<Box<RawValue>>,
    /// Jobs, oldest first.
    jobs: Vec<JobFile>,
    /// Routes, batches, and the day's order.
    #[serde(default, skip_serializing_if = "Vec::is_empty")]
    sheets: Vec<SheetFile>,
}

/// What is kept beside the jobs.
#[derive(Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct SheetFile {
    /// The job or the lathe it belongs to, or `shop`.
    owner: String,
    /// `route`, `batch`, `test_piece`, `rehearsed`, `instruments`, `following`, `day` or `words`.
    kind: String,
    /// A route, what is kept of a batch, a list of jobs, or the trade words.
    #[schema(value_type = SheetBody)]
    body: Box<RawValue>,
    revision: i64,
}

/// What a sheet may be; named for its schema.
#[derive(Serialize, ToSchema)]
#[serde(untagged)]
#[allow(dead_code)] // only its schema is used
pub enum SheetBody {
    /// A route.
    Route(Route),
    /// What is kept of a batch.
    Batch(BatchFacts),
    /// The day's order.
    Day(Vec<String>),
    /// The trade words of the shop.
    Words(ShopWords),
    /// What is kept of a test piece.
    TestPiece(TestPieceFacts),
}

/// An operation of a route that is done.
#[derive(Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct TickFile {
    op: String,
    done: String,
    /// What it took, where that was told.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    #[schema(value_type = Option<OpTook>)]
    took: Option<Box<RawValue>>,
}

/// A lathe in the file.
#[derive(Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct LatheFile {
    id: String,
    revision: i64,
    /// When it was put away.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    away: Option<String>,
    #[schema(value_type = LatheProfile)]
    body: Box<RawValue>,
}

/// A job in the file.
#[derive(Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct JobFile {
    id: String,
    title: String,
    created: String,
    revision: i64,
    /// The revision its plan last changed with; its own when absent.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    facts_revision: Option<i64>,
    /// When it was put away.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    away: Option<String>,
    #[serde(default, skip_serializing_if = "Option::is_none")]
    part: Option<String>,
    #[serde(default, skip_serializing_if = "Option::is_none")]
    mate: Option<String>,
    /// The first job of its batch.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    batch: Option<String>,
    /// Its place in the batch, from 1.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    place: Option<i64>,
    #[schema(value_type = PlanRequest)]
    request: Box<RawValue>,
    /// The plan as it was frozen at the first pass.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    frozen: Option<FrozenFile>,
    acts: Vec<ActFile>,
    /// What is done of its route.
    #[serde(default, skip_serializing_if = "Vec::is_empty")]
    ticks: Vec<TickFile>,
}

/// A frozen plan in the file.
#[derive(Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct FrozenFile {
    engine: String,
    #[schema(value_type = Object)]
    plan: Box<RawValue>,
    #[schema(value_type = RunPlan)]
    run: Box<RawValue>,
    /// What it was reckoned from: request, lathe and drawer as they then stood.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    #[schema(value_type = Option<Object>)]
    facts: Option<Box<RawValue>>,
}

/// An act in the file.
#[derive(Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct ActFile {
    id: String,
    sequence: i64,
    #[schema(value_type = ActKind)]
    act: Box<RawValue>,
    happened: String,
    recorded: String,
    source: String,
    seen: i64,
}

/// What was taken in.
#[derive(Serialize, ToSchema)]
pub struct ImportView {
    lathes: usize,
    jobs: usize,
    acts: usize,
    /// Lathes and jobs that are here and differ: left as they are here.
    kept: usize,
}

/// JSON text with its keys in order and nothing between its parts; numbers and strings as they were written.
fn canonical(text: &str, out: &mut String) -> serde_json::Result<()> {
    let text = text.trim();
    if text.starts_with('{') {
        let map: BTreeMap<String, &RawValue> = serde_json::from_str(text)?;
        out.push('{');
        for (i, (key, value)) in map.into_iter().enumerate() {
            if i > 0 {
                out.push(',');
            }
            out.push_str(&serde_json::to_string(&key)?);
            out.push(':');
            canonical(value.get(), out)?;
        }
        out.push('}');
    } else if text.starts_with('[') {
        let list: Vec<&RawValue> = serde_json::from_str(text)?;
        out.push('[');
        for (i, value) in list.into_iter().enumerate() {
            if i > 0 {
                out.push(',');
            }
            canonical(value.get(), out)?;
        }
        out.push(']');
    } else {
        out.push_str(text);
    }
    Ok(())
}

fn raw(text: String) -> Box<RawValue> {
    // What is stored was JSON when it came in; should it not be, it stands as the text it is.
    RawValue::from_string(text.clone()).or_else(|_| serde_json::value::to_raw_value(&text)).unwrap_or_else(|_| RawValue::NULL.to_owned())
}

fn written(whole: Whole) -> ShopFile {
    let lathes = whole.lathes.into_iter().map(|l| LatheFile { id: l.id, revision: l.revision, away: l.away, body: raw(l.body) });
    let jobs = whole.jobs.into_iter().map(|WholeJob { job: j, acts, ticks }| {
        let acts = acts.into_iter().map(|a| ActFile {
            id: a.id,
            sequence: a.sequence,
            act: raw(a.body),
            happened: a.happened,
            recorded: a.recorded,
            source: a.source,
            seen: a.seen,
        });
        JobFile {
            id: j.id,
            title: j.title,
            created: j.created,
            facts_revision: (j.facts_revision != j.revision).then_some(j.facts_revision),
            revision: j.revision,
            away: j.away,
            part: j.part,
            mate: j.mate,
            batch: j.batch,
            place: j.place,
            ticks: ticks.into_iter().map(|t| TickFile { op: t.op, done: t.done, took: t.took.map(raw) }).collect(),
            request: raw(j.request),
            frozen: j.frozen.map(|f| FrozenFile { engine: f.engine, plan: raw(f.plan), run: raw(f.run), facts: f.facts.map(raw) }),
            acts: acts.collect(),
        }
    });
    let sheets = whole.sheets.into_iter().map(|s| SheetFile { owner: s.owner, kind: s.kind, body: raw(s.body), revision: s.revision });
    ShopFile { format: FORMAT.into(), version: VERSION, lathes: lathes.collect(), kit: whole.kit.map(raw), jobs: jobs.collect(), sheets: sheets.collect() }
}

fn as_file(name: &str, file: &ShopFile) -> Result<Response, Problem> {
    let mut text = String::new();
    canonical(&serde_json::to_string(file)?, &mut text)?;
    text.push('\n');
    Ok(saved_as(&format!("{name}.json"), "application/json", text))
}

/// The whole shop as one file; its photographs are in a backup only.
#[utoipa::path(get, path = "/api/v1/shop.json", responses((status = 200, body = ShopFile)))]
pub async fn shop_out(State(app): State<App>) -> Result<Response, Problem> {
    let file = app.reckon(|store| Ok(written(store.whole()?))).await?;
    as_file("yoke-turn-shop", &file)
}

/// One job as a file, with the jobs of its part and their lathes.
#[utoipa::path(get, path = "/api/v1/jobs/{id}/job.json", params(("id" = String, Path)), responses((status = 200, body = ShopFile), (status = 404, body = Problem)))]
pub async fn job_out(State(app): State<App>, Path(id): Path<String>) -> Result<Response, Problem> {
    let name = id.clone();
    let file = app
        .with_store(move |store| {
            let Some(job) = store.job(&id)? else { return Ok(None) };
            let jobs = match (&job.batch, &job.part) {
                (Some(batch), _) => store.batch(batch)?,
                (None, Some(part)) => store.members(part)?,
                (None, None) => vec![job],
            };
            let jobs = jobs.into_iter().map(|job| store.whole_job(job)).collect::<Result<Vec<_>, _>>()?;
            let named = |id: &str| jobs.iter().any(|j| j.job.id == id);
            let sheets = store.sheets()?.into_iter().filter(|s| named(&s.owner)).collect();
            // Where a job's facts do not read, any lathe may be its own: all go with it, so that none is left behind.
            let read: Vec<_> = jobs.iter().map(|j| stored::request(&j.job).map(|r| r.read.lathe_id)).collect();
            let goes = |id: &String| read.iter().any(|on| on.as_ref().is_ok_and(|on| on.as_ref() == Some(id)) || on.is_err());
            let lathes = store.lathes()?.into_iter().filter(|l| goes(&l.id)).collect();
            Ok(Some(written(Whole { lathes, kit: None, jobs, sheets })))
        })
        .await?;
    as_file(&name, &file.ok_or_else(|| Problem::missing("job"))?)
}

/// Takes a shop file in: what is not here yet, whole or not at all; what is here stays as it is.
#[utoipa::path(post, path = "/api/v1/shop.json", request_body = ShopFile, responses((status = 200, body = ImportView), (status = 422, body = Problem)))]
pub async fn shop_in(State(app): State<App>, body: Bytes) -> Result<Json<ImportView>, Problem> {
    let wrong = |e: serde_json::Error| {
        let why = plain_words(&e.to_string());
        Problem::fault("", say!(Voice::default(), "srv-file-does-not-read-line", line = e.line(), column = e.column(), why = &why))
    };
    // Looked through for names that stand twice; the text itself is what is kept.
    read_value(&body).map_err(wrong)?;
    let file: ShopFile = serde_json::from_slice(&body).map_err(wrong)?;
    let faults = look_through(&file);
    if !faults.is_empty() {
        return Err(Problem::faulty(faults));
    }
    let whole = rows(file);
    let taken = app.reckon(move |store| Ok(take_in(store, &whole)?)).await?;
    JobChanged::tell_all(&app);
    Ok(Json(ImportView { lathes: taken.lathes, jobs: taken.jobs, acts: taken.acts, kept: taken.kept }))
}

/// Laid down in a store of its own first, so that what comes in by either road is looked through the same.
fn take_in(store: &Store, whole: &Whole) -> Result<TakenIn, StoreError> {
    static NEXT: AtomicU64 = AtomicU64::new(0);
    let scratch = std::env::temp_dir().join(format!("yoke-turn-{}-{}", std::process::id(), NEXT.fetch_add(1, Ordering::Relaxed)));
    let made = |e: std::io::Error| StoreError::NotACopy { path: scratch.clone(), why: format!("the folder cannot be made: {e}") };
    std::fs::create_dir_all(&scratch).map_err(made)?;
    let taken = Store::open(&scratch.join("laid.db")).and_then(|laid| {
        laid.lay_down(whole)?;
        laid.backup(&scratch.join("copy.db"))?;
        store.restore(&VerifiedCopy::through(&scratch.join("copy.db"), &scratch)?)
    });
    let _ = std::fs::remove_dir_all(&scratch);
    taken
}

/// Takes a copy in, read through by the same types as a file is.
pub fn restore(store: &Store, from: &std::path::Path, scratch: &std::path::Path) -> Result<TakenIn, StoreError> {
    let copy = VerifiedCopy::through(from, scratch)?;
    if let Some(fault) = unread(copy.whole()?).first() {
        return Err(StoreError::NotACopy { path: from.to_owned(), why: format!("at {}, {}", fault.pointer, fault.detail) });
    }
    store.restore(&copy)
}

/// What of a whole shop does not read, each with its place.
pub fn unread(whole: Whole) -> Vec<Fault> {
    look_through(&written(whole))
}

fn rows(file: ShopFile) -> Whole {
    let text = |raw: Box<RawValue>| raw.get().to_owned();
    let jobs = file.jobs.into_iter().map(|j| {
        let acts: Vec<ActRow> = j
            .acts
            .into_iter()
            .map(|a| ActRow { id: a.id, sequence: a.sequence, body: text(a.act), happened: a.happened, recorded: a.recorded, source: a.source, seen: a.seen })
            .collect();
        let frozen = j.frozen.map(|f| Frozen { plan: text(f.plan), run: text(f.run), engine: f.engine, facts: f.facts.map(text) });
        let sequence = i64::try_from(acts.len()).unwrap_or(i64::MAX);
        let job = JobRow {
            id: j.id,
            title: j.title,
            request: text(j.request),
            facts_revision: j.facts_revision.unwrap_or(j.revision),
            revision: j.revision,
            created: j.created,
            away: j.away,
            frozen,
            sequence,
            part: j.part,
            mate: j.mate,
            batch: j.batch,
            place: j.place,
        };
        let ticks = j.ticks.into_iter().map(|t| TickRow { op: t.op, done: t.done, took: t.took.map(|t| t.get().to_owned()) }).collect();
        WholeJob { job, acts, ticks }
    });
    Whole {
        jobs: jobs.collect(),
        lathes: file.lathes.into_iter().map(|l| LatheRow { id: l.id, body: text(l.body), revision: l.revision, away: l.away }).collect(),
        kit: file.kit.map(text),
        sheets: file.sheets.into_iter().map(|s| SheetRow { owner: s.owner, kind: s.kind, body: text(s.body), revision: s.revision }).collect(),
    }
}

/// Every fault of a file, each with where it stands.
fn look_through(file: &ShopFile) -> Vec<Fault> {
    let mut faults = Vec::new();
    if file.format != FORMAT {
        faults.push(Fault::new("/format", say!(Voice::default(), "srv-not-shop-file-calls-itself", told = &file.format, wanted = FORMAT)));
    }
    if file.version != VERSION {
        faults.push(Fault::new("/version", say!(Voice::default(), "srv-version-not-known-here-program", told = &file.version, known = VERSION)));
    }
    let mut seen = BTreeSet::new();
    for (i, lathe) in file.lathes.iter().enumerate() {
        named(&lathe.id, format!("/lathes/{i}/id"), &mut seen, &mut faults);
        reads::<LatheProfile>(&lathe.body, &format!("/lathes/{i}/body"), &mut faults);
    }
    if let Some(kit) = &file.kit {
        reads::<Kit>(kit, "/kit", &mut faults);
    }
    let mut ids = BTreeSet::new();
    for (i, job) in file.jobs.iter().enumerate() {
        let at = format!("/jobs/{i}");
        named(&job.id, format!("{at}/id"), &mut ids, &mut faults);
        look_at_job(job, &at, &mut faults);
    }
    for (i, job) in file.jobs.iter().enumerate() {
        look_at_kin(job, &format!("/jobs/{i}"), &ids, &mut faults);
    }
    let mut owned = BTreeSet::new();
    for (i, sheet) in file.sheets.iter().enumerate() {
        let at = format!("/sheets/{i}");
        look_at_sheet(sheet, &at, [&ids, &seen], &mut faults);
        if !owned.insert((&sheet.owner, &sheet.kind)) {
            faults.push(Fault::new(format!("{at}/owner"), say!(Voice::default(), "srv-sheet-twice", owner = &sheet.owner)));
        }
    }
    faults.truncate(FAULTS);
    faults
}

/// Notes a fault unless a name may stand and stands once.
fn named(id: &str, at: String, seen: &mut BTreeSet<String>, faults: &mut Vec<Fault>) {
    if let Some(fault) = name_fault(&at, id) {
        faults.push(fault);
    } else if !seen.insert(id.to_owned()) {
        faults.push(Fault::new(at, say!(Voice::default(), "srv-stands-twice", id = &id)));
    }
}

/// A job by itself: its words, its facts, what was frozen, its acts.
fn look_at_job(job: &JobFile, at: &str, faults: &mut Vec<Fault>) {
    faults.extend(title_fault(&job.title).map(|f| Fault::new(format!("{at}/title"), f.detail)));
    faults.extend(time_fault(&format!("{at}/created"), &job.created));
    faults.extend(job.away.as_deref().and_then(|away| time_fault(&format!("{at}/away"), away)));
    if let Some(part) = &job.part {
        faults.extend(name_fault(&format!("{at}/part"), part));
    }
    reads::<PlanRequest>(&job.request, &format!("{at}/request"), faults);
    if let Some(frozen) = &job.frozen {
        if let Err(e) = serde_json::from_str::<RunPlan>(frozen.run.get()) {
            faults.push(Fault::new(format!("{at}/frozen/run"), say!(Voice::default(), "srv-run-does-not-read", why = e.to_string())));
        }
        reads::<serde_json::Map<String, serde_json::Value>>(&frozen.plan, &format!("{at}/frozen/plan"), faults);
    }
    let mut acts = BTreeSet::new();
    for (n, act) in job.acts.iter().enumerate() {
        let at = format!("{at}/acts/{n}");
        named(&act.id, format!("{at}/id"), &mut acts, faults);
        faults.extend(time_fault(&format!("{at}/happened"), &act.happened));
        faults.extend(time_fault(&format!("{at}/recorded"), &act.recorded));
        if usize::try_from(act.sequence) != Ok(n + 1) {
            faults.push(Fault::new(format!("{at}/sequence"), say!(Voice::default(), "srv-acts-stand-order-wanted-here", n = n + 1)));
        }
        let at = format!("{at}/act");
        match serde_json::from_str(act.act.get()) {
            Ok(whole) => _ = read_act(&at, &whole, Voice::default(), faults),
            Err(e) => faults.push(Fault::new(at, say!(Voice::default(), "srv-act-does-not-read", why = e.to_string()))),
        }
    }
}

/// What a job has of others: its mate, its batch and place, the operations ticked.
fn look_at_kin(job: &JobFile, at: &str, ids: &BTreeSet<String>, faults: &mut Vec<Fault>) {
    if job.mate.as_ref().is_some_and(|m| !ids.contains(m)) {
        faults.push(Fault::new(format!("{at}/mate"), say!(Voice::default(), "srv-mate-not-file")));
    }
    match (&job.batch, job.place) {
        (None, None) => {}
        (Some(batch), Some(place)) if ids.contains(batch) && usize::try_from(place).is_ok_and(|p| (1..=MOST_PARTS).contains(&p)) => {}
        (Some(batch), _) if !ids.contains(batch) => faults.push(Fault::new(format!("{at}/batch"), say!(Voice::default(), "srv-first-batch-not-file"))),
        _ => faults.push(Fault::new(format!("{at}/place"), say!(Voice::default(), "srv-job-batch-place-1-not"))),
    }
    let mut ops = BTreeSet::new();
    for (n, tick) in job.ticks.iter().enumerate() {
        named(&tick.op, format!("{at}/ticks/{n}/op"), &mut ops, faults);
        faults.extend(time_fault(&format!("{at}/ticks/{n}/done"), &tick.done));
        let unread = tick.took.as_ref().and_then(|t| stored::took(t.get()).err());
        faults.extend(unread.map(|u| Fault::new(format!("{at}/ticks/{n}/took"), u.detail)));
    }
}

/// A sheet: of a kind that is known, whose owner, a job, or a lathe where it is the lathe's, is here.
fn look_at_sheet(sheet: &SheetFile, at: &str, [ids, lathes]: [&BTreeSet<String>; 2], faults: &mut Vec<Fault>) {
    match sheet.kind.as_str() {
        "day" if sheet.owner == day::OWNER => {
            if let Err(e) = serde_json::from_str::<Vec<String>>(sheet.body.get()) {
                faults.push(Fault::new(format!("{at}/body"), say!(Voice::default(), "srv-list-jobs-wanted", why = e.to_string())));
            }
        }
        "route" if ids.contains(&sheet.owner) => reads::<Route>(&sheet.body, &format!("{at}/body"), faults),
        "batch" if ids.contains(&sheet.owner) => reads::<BatchFacts>(&sheet.body, &format!("{at}/body"), faults),
        test_pieces::KIND if ids.contains(&sheet.owner) => {
            reads::<TestPieceFacts>(&sheet.body, &format!("{at}/body"), faults);
            let of = serde_json::from_str::<TestPieceFacts>(sheet.body.get()).ok().filter(|kept| !ids.contains(&kept.of));
            faults.extend(of.map(|kept| Fault::new(format!("{at}/body/of"), say!(Voice::default(), "srv-not-file", owner = &kept.of))));
        }
        rehearse::KIND if ids.contains(&sheet.owner) || lathes.contains(&sheet.owner) => reads::<Tries>(&sheet.body, &format!("{at}/body"), faults),
        "words" if sheet.owner == day::OWNER => reads::<ShopWords>(&sheet.body, &format!("{at}/body"), faults),
        TOLD if lathes.contains(&sheet.owner) => reads::<Instruments>(&sheet.body, &format!("{at}/body"), faults),
        FOLLOWING if ids.contains(&sheet.owner) => reads::<Following>(&sheet.body, &format!("{at}/body"), faults),
        "route" | "batch" | "day" | "words" | test_pieces::KIND | rehearse::KIND | TOLD | FOLLOWING => {
            faults.push(Fault::new(format!("{at}/owner"), say!(Voice::default(), "srv-not-file", owner = &sheet.owner)))
        }
        other => faults.push(Fault::new(format!("{at}/kind"), say!(Voice::default(), "srv-not-known-route-batch-day", other = &other))),
    }
}

/// Notes a fault unless this reads as what it should be. Fields of a newer version of it are carried through, as they are from the store.
fn reads<T: serde::de::DeserializeOwned + Default>(raw: &RawValue, at: &str, faults: &mut Vec<Fault>) {
    match serde_json::from_str::<serde_json::Value>(raw.get()) {
        Ok(value) => {
            let (_, wrong) = read_json::<T>(value);
            faults.extend(wrong.into_iter().filter(|f| !is_unknown(f)).map(|f| Fault::new(format!("{at}{}", f.pointer), f.detail)));
        }
        Err(e) => faults.push(Fault::new(at, say!(Voice::default(), "srv-does-not-read", why = e.to_string()))),
    }
}
