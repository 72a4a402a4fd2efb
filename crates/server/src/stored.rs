//! What is stored, read: each thing to its type, or a fault that names it. Nothing that does not read is dropped, and nothing stands in for
//! it: a run reckoned without one of its acts would give a wrong setting.
//!
//! A document of a newer version of the same kind may hold fields this one does not know. They are carried through untouched, and what is
//! reckoned without them is told of it. An act is another matter: what it means hangs on all of it.

use serde::Serialize;
use serde::de::DeserializeOwned;
use serde_json::{Map, Value, json};
use std::sync::{Mutex, PoisonError};
use yoke_core::faults::{Fault, read_json, read_tagged, step};
use yoke_core::job::{Kit, LatheProfile, PlanRequest};
use yoke_core::log::{Act, ActKind};
use yoke_core::route::OpTook;
use yoke_core::run::RunPlan;
use yoke_core::say;
use yoke_core::voice::Voice;
use yoke_store::{ActRow, Frozen, JobRow, LatheRow, SheetRow, Store, StoreError};

/// Something stored that does not read.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Unread {
    /// What it is, why it does not read, and the way out.
    pub detail: String,
}

impl Unread {
    fn new(what: &str, why: impl std::fmt::Display) -> Self {
        Self { detail: say!(Voice::default(), "srv-kept-unread", what = what, why = why.to_string()) }
    }
}

/// Why something could not be done with what is stored.
#[derive(Debug)]
pub enum Failed {
    /// The store itself.
    Store(StoreError),
    /// What is in it.
    Unread(Unread),
}

impl From<StoreError> for Failed {
    fn from(error: StoreError) -> Self {
        Self::Store(error)
    }
}

impl From<Unread> for Failed {
    fn from(unread: Unread) -> Self {
        Self::Unread(unread)
    }
}

impl std::fmt::Display for Failed {
    fn fmt(&self, f: &mut std::fmt::Formatter<'_>) -> std::fmt::Result {
        match self {
            Self::Store(error) => error.fmt(f),
            Self::Unread(unread) => f.write_str(&unread.detail),
        }
    }
}

/// Gives what was read, or nothing where it does not read: for lists, in which the others are shown all the same and this one says why.
pub fn apart<T>(read: Result<T, Failed>) -> Result<Result<T, Unread>, StoreError> {
    match read {
        Ok(it) => Ok(Ok(it)),
        Err(Failed::Unread(unread)) => Ok(Err(unread)),
        Err(Failed::Store(error)) => Err(error),
    }
}

/// A document as it is kept.
#[derive(Debug, Clone)]
pub struct Document<T> {
    /// As it reads.
    pub read: T,
    /// The whole of it, what is not known here among it.
    pub whole: Value,
    /// Pointers of the fields that are not known here.
    pub unknown: Vec<String>,
}

/// What is kept, by name.
fn said(id: &'static str, name: &str) -> String {
    say!(Voice::default(), id, name = name)
}

/// Whether a fault is a field that is not known.
pub fn is_unknown(fault: &Fault) -> bool {
    fault.detail.starts_with("unknown field")
}

fn document<T: DeserializeOwned + Default>(text: &str, what: &str) -> Result<Document<T>, Unread> {
    let whole: Value = serde_json::from_str(text).map_err(|e| Unread::new(what, e))?;
    let (read, faults) = read_json::<T>(whole.clone());
    let (unknown, wrong): (Vec<Fault>, Vec<Fault>) = faults.into_iter().partition(is_unknown);
    match wrong.first() {
        Some(fault) => Err(Unread::new(what, placed(fault))),
        None => Ok(Document { read, whole, unknown: unknown.into_iter().map(|f| f.pointer).collect() }),
    }
}

/// A lathe, as it was told.
pub fn lathe(row: &LatheRow) -> Result<Document<LatheProfile>, Unread> {
    document(&row.body, &said("srv-kept-lathe", &row.id))
}

/// The drawer as it was last read, and the text it was read from: it seldom changes, and every plan asks for it.
static DRAWER: Mutex<Option<(String, Document<Kit>)>> = Mutex::new(None);

/// The drawer, if one is kept.
pub fn kit(store: &Store) -> Result<Option<Document<Kit>>, Failed> {
    let Some(body) = store.kit()? else { return Ok(None) };
    let mut last = DRAWER.lock().unwrap_or_else(PoisonError::into_inner);
    if let Some((_, read)) = last.as_ref().filter(|(text, _)| *text == body) {
        return Ok(Some(read.clone()));
    }
    let read = document::<Kit>(&body, &said("srv-kept-drawer", ""))?;
    *last = Some((body, read.clone()));
    Ok(Some(read))
}

/// A job's own facts.
pub fn request(job: &JobRow) -> Result<Document<PlanRequest>, Unread> {
    document(&job.request, &said("srv-kept-job", &job.title))
}

/// A sheet kept beside the jobs.
pub fn sheet<T: DeserializeOwned + Default>(row: &SheetRow) -> Result<T, Unread> {
    document(&row.body, &say!(Voice::default(), "srv-kept-sheet", kind = &row.kind, name = &row.owner)).map(|d| d.read)
}

/// What an operation took, as it was told.
pub fn took(text: &str) -> Result<OpTook, Unread> {
    serde_json::from_str(text).map_err(|e| Unread { detail: say!(Voice::default(), "srv-took-unread", why = e.to_string()) })
}

/// The run of a job as it was frozen at the first pass.
pub fn run(job: &JobRow) -> Result<Option<RunPlan>, Unread> {
    job.frozen.as_ref().map(|f| frozen_run(job, f)).transpose()
}

/// The run of a frozen plan of a job.
pub fn frozen_run(job: &JobRow, frozen: &Frozen) -> Result<RunPlan, Unread> {
    serde_json::from_str(&frozen.run).map_err(|e| Unread::new(&said("srv-kept-run", &job.title), e))
}

/// A frozen plan, as JSON: a value, or the text of one.
pub fn frozen_plan<T: DeserializeOwned>(job: &JobRow, frozen: &Frozen) -> Result<T, Unread> {
    serde_json::from_str(&frozen.plan).map_err(|e| Unread::new(&said("srv-kept-plan", &job.title), e))
}

/// What a plan was reckoned from when it was frozen.
#[derive(Debug, Clone, Default, Serialize, serde::Deserialize)]
#[serde(default)]
pub struct FrozenFacts {
    /// The request, its mate's size with it.
    pub request: Value,
    /// The lathe it named.
    pub lathe: Value,
    /// The drawer.
    pub kit: Value,
}

/// Of what a plan was frozen from, the request alone: the drawer and the lathe are not read where only that is asked for.
#[derive(serde::Deserialize)]
struct FrozenRequest {
    request: Value,
}

/// Reads what a plan was frozen from; none of one of an older version.
fn frozen_facts<T: DeserializeOwned>(job: &JobRow) -> Result<Option<T>, Unread> {
    let Some(text) = job.frozen.as_ref().and_then(|f| f.facts.as_ref()) else { return Ok(None) };
    serde_json::from_str(text).map(Some).map_err(|e| Unread::new(&said("srv-kept-facts", &job.title), e))
}

/// The request a job's plan was frozen from.
pub fn frozen_request(job: &JobRow) -> Result<Option<Value>, Unread> {
    Ok(frozen_facts::<FrozenRequest>(job)?.map(|f| f.request))
}

impl FrozenFacts {
    /// As kept with a frozen plan; none with one of an older version.
    pub fn of(job: &JobRow) -> Result<Option<Self>, Unread> {
        frozen_facts(job)
    }

    /// As one request that needs nothing else: the lathe and the drawer told in it.
    pub fn alone(&self) -> Value {
        let mut request = self.request.clone();
        if let Value::Object(map) = &mut request {
            if !self.lathe.is_null() {
                map.remove("lathe_id");
                map.insert("lathe".into(), self.lathe.clone());
            }
            if map.get("kit").is_none_or(Value::is_null) && !self.kit.is_null() {
                map.insert("kit".into(), self.kit.clone());
            }
        }
        request
    }
}

/// A job's acts, in order.
pub fn acts(store: &Store, job: &JobRow) -> Result<Vec<Act>, Failed> {
    store.acts(&job.id)?.iter().map(|row| act(row, &job.title).map_err(Failed::from)).collect()
}

/// Where a fault stands, and what it is.
fn placed(fault: &Fault) -> String {
    let at = if fault.pointer.is_empty() { "root" } else { &fault.pointer };
    say!(Voice::default(), "srv-kept-at", at = at, why = &fault.detail)
}

/// An act as the core reads it.
pub fn act(row: &ActRow, job: &str) -> Result<Act, Unread> {
    let act = |kind: &str| say!(Voice::default(), "srv-kept-act", n = row.sequence, job = job, kind = kind, recorded = &row.recorded);
    let whole: Value = serde_json::from_str(&row.body).map_err(|e| Unread::new(&act("untold"), e))?;
    read_tagged::<ActKind>(&whole).map(|kind| Act { id: row.id.clone(), kind }).map_err(|faults| {
        let each: Vec<String> = faults.iter().map(placed).collect();
        Unread::new(&act(whole["kind"].as_str().unwrap_or("untold")), each.join("; "))
    })
}

/// The object a pointer's field stands in, and the field's name there.
fn place<'v>(whole: &'v mut Value, pointer: &str) -> Option<(&'v mut Map<String, Value>, String)> {
    let (way, last) = pointer.rsplit_once('/')?;
    Some((whole.pointer_mut(way)?.as_object_mut()?, last.replace("~1", "/").replace("~0", "~")))
}

/// What is sent, without the fields that were kept before and are not known here.
pub fn without(mut sent: Value, unknown: &[String]) -> Value {
    for pointer in unknown {
        if let Some((map, name)) = place(&mut sent, pointer) {
            map.remove(&name);
        }
    }
    sent
}

/// Puts the fields of a document that are not known here back into what takes its place.
pub fn carried<T>(before: &Document<T>, mut after: Value) -> Value {
    for pointer in &before.unknown {
        if let (Some(kept), Some((map, name))) = (before.whole.pointer(pointer), place(&mut after, pointer)) {
            map.entry(name).or_insert_with(|| kept.clone());
        }
    }
    after
}

/// A job's facts that may still be told once its cut has begun: none of them moves a depth.
pub const LATER: [&str; 7] = ["/pad", "/gauge/mate_at_hand", "/gauge/mate_ahead_mm", "/gauge/mate_goes_on_mm", "/blank/beyond_mm", "/words", "/unit"];

/// Figures nearer to one another than this are the same, read from text and written again. Far below what any slide can be set to.
const SAME: f64 = 1e-6;

/// Whether two documents say the same, but for the last digits of their figures.
pub fn alike(a: &Value, b: &Value) -> bool {
    match (a, b) {
        (Value::Object(x), Value::Object(y)) => x.len() == y.len() && x.iter().all(|(name, p)| y.get(name).is_some_and(|q| alike(p, q))),
        (Value::Array(x), Value::Array(y)) => x.len() == y.len() && x.iter().zip(y).all(|(p, q)| alike(p, q)),
        _ => match (a.as_f64(), b.as_f64()) {
            (Some(x), Some(y)) => (x - y).abs() <= SAME * x.abs().max(1.0),
            _ => a == b,
        },
    }
}

/// Where two requests differ, as pointers of fields; lists and plain values are taken whole.
pub fn differences(a: &Value, b: &Value) -> Vec<String> {
    fn walk(a: &Value, b: &Value, at: &str, out: &mut Vec<String>) {
        match (a, b) {
            (Value::Object(x), Value::Object(y)) => {
                let mut names: Vec<&String> = x.keys().chain(y.keys()).collect();
                names.sort();
                names.dedup();
                for name in names {
                    let [p, q] = [x, y].map(|m| m.get(name).unwrap_or(&Value::Null));
                    walk(p, q, &format!("{at}{}", step(name)), out);
                }
            }
            (Value::Object(_), Value::Null) => walk(a, &json!({}), at, out),
            (Value::Null, Value::Object(_)) => walk(&json!({}), b, at, out),
            _ if a != b => out.push(at.to_owned()),
            _ => {}
        }
    }
    let mut out = Vec::new();
    walk(a, b, "", &mut out);
    out
}
