//! The stateless heart: plan, callout, gauge.

use crate::body::{JsonBody, Sent};
use crate::problem::Problem;
use crate::state::App;
use crate::stored::{self, Document, Failed, FrozenFacts, without};
use crate::voice::Asked;
use axum::Json;
use axum::body::Bytes;
use axum::extract::State;
use axum::http::header;
use axum::response::IntoResponse;
use serde::{Deserialize, Serialize};
use serde_json::{Value, json};
use std::sync::Arc;
use utoipa::ToSchema;
use yoke_core::faults::{Fault, clipped, read_json};
use yoke_core::gauge::{Measured, Verdict};
use yoke_core::gears::Mistake;
use yoke_core::job::{Job as Facts, Kit, Lathe, LatheProfile, PlanRequest, settle};
use yoke_core::log::{ActKind, judge_told};
use yoke_core::plan::{Plan, plan as reckon};
use yoke_core::quantity::{LengthUnit, parse_length, real};
use yoke_core::say;
use yoke_core::shop::remember_trains;
use yoke_core::thread::identify::{Identified, Sample, SampleRequest, identify as core_identify};
use yoke_core::thread::series::{Series, of_series};
use yoke_core::thread::{FitKind, Side, Touched, callout as core_callout};
use yoke_core::voice::Voice;
use yoke_core::working::Quantity;
use yoke_store::{JobRow, Store};

/// A plan, with the settled facts, the lathe and the kit it was reckoned from.
pub type Whole = (Plan, Facts, Lathe, Kit);

/// The plan a run begins with.
pub struct FirstPlan {
    /// The plan.
    pub plan: Plan,
    /// What it is frozen from.
    pub from: FrozenFacts,
    /// The lathe as it then stands, its gears on it, where they were not: its id and profile, JSON.
    pub mounted: Option<(String, String)>,
}

/// What a plan is reckoned from: a request, and what it leaves to the shop.
pub struct Inputs {
    request: PlanRequest,
    faults: Vec<Fault>,
    lathe: Option<LatheProfile>,
    /// What is stored and holds fields that are not known here.
    newer: Vec<(&'static str, Vec<String>)>,
    /// As it is stored.
    kept: FrozenFacts,
}

impl Inputs {
    /// A request as it was sent; `newer` are the fields of a stored one that are not known here and are let be.
    pub fn of(store: &Store, value: Value, newer: &[String], voice: Asked) -> Result<Self, Failed> {
        let (mut request, faults) = read_json::<PlanRequest>(without(value.clone(), newer));
        let mut inputs =
            Self { faults, lathe: None, newer: vec![("srv-of-this-job", newer.to_vec())], kept: FrozenFacts::default(), request: PlanRequest::default() };
        if let (None, Some(kit)) = (&request.kit, stored::kit(store)?) {
            request.kit = Some(kit.read);
            inputs.kept.kit = kit.whole;
            inputs.newer.push(("srv-kept-drawer", kit.unknown));
        }
        if let Some(row) = request.lathe_id.as_deref().map(|id| store.lathe(id)).transpose()?.flatten() {
            inputs.put_lathe(stored::lathe(&row)?);
        }
        let request = request.spoken(voice.of(&value));
        inputs.kept.request = value;
        Ok(Self { request, ..inputs })
    }

    /// What a job's plan is reckoned from: of one begun what it was frozen from, else its facts as they are read.
    pub fn of_job(store: &Store, job: &JobRow, voice: Asked, facts: impl FnOnce() -> Result<Document<PlanRequest>, Failed>) -> Result<Self, Failed> {
        if let Some(frozen) = FrozenFacts::of(job)? {
            return Ok(Self::frozen(frozen, voice));
        }
        let Document { whole, unknown, .. } = facts()?;
        Self::of(store, whole, &unknown, voice)
    }

    /// What a plan was frozen from: nothing of the shop as it now is.
    pub fn frozen(facts: FrozenFacts, voice: Asked) -> Self {
        let (request, faults) = read_json::<PlanRequest>(facts.alone());
        let (newer, faults) = faults.into_iter().partition::<Vec<_>, _>(stored::is_unknown);
        let request = request.spoken(voice.of(&facts.request));
        let newer = vec![("srv-of-frozen-facts", newer.into_iter().map(|f| f.pointer).collect())];
        Self { request, faults, lathe: None, newer, kept: facts }
    }

    fn put_lathe(&mut self, lathe: Document<LatheProfile>) {
        self.newer.push(("srv-of-the-lathe", lathe.unknown));
        self.kept.lathe = lathe.whole;
        self.lathe = Some(lathe.read);
    }

    /// Settles what was told.
    pub fn settled(&self) -> Result<(Facts, Lathe, Kit), Vec<Fault>> {
        let (mut job, lathe, kit) = settle(&self.request, self.lathe.as_ref(), self.faults.clone())?;
        self.newer.iter().for_each(|(of, fields)| job.not_known(&say!(job.voice, of), fields));
        Ok((job, lathe, kit))
    }

    /// Reckons the plan, and tells what it was reckoned from.
    pub fn whole(&self) -> Result<Whole, Vec<Fault>> {
        let (job, lathe, kit) = self.settled()?;
        Ok((reckon(&job, &lathe, &kit), job, lathe, kit))
    }

    /// The plan a run begins with. The first pass says that its gears are on: so the check frozen with it says so too.
    pub fn begun(mut self) -> Result<FirstPlan, Vec<Fault>> {
        let (plan, ..) = self.whole()?;
        let changed = plan.pointed().and_then(|p| p.gears.hung.as_ref()).filter(|hung| hung.train.swaps > 0).zip(self.request.lathe_id.clone());
        let (Some((hung, id)), true) = (changed, self.kept.lathe.is_object()) else {
            return Ok(FirstPlan { plan, from: self.kept, mounted: None });
        };
        let on = json!({"drivers": hung.train.drivers, "driven": hung.train.driven});
        let before = self.kept.lathe.clone();
        self.kept.lathe["mounted"] = on.clone();
        remember_trains(&before, &mut self.kept.lathe);
        let seen = serde_json::from_value(self.kept.lathe["seen"].clone()).ok();
        self.lathe = self.lathe.map(|lathe| LatheProfile { mounted: serde_json::from_value(on).ok(), seen, ..lathe });
        let (plan, ..) = self.whole()?;
        let body = self.kept.lathe.to_string();
        Ok(FirstPlan { plan, from: self.kept, mounted: Some((id, body)) })
    }
}

/// Plans a request, as it was sent, with the lathes and kit stored.
pub fn plan_with_store(store: &Store, value: Value, voice: Asked) -> Result<Result<Plan, Vec<Fault>>, Failed> {
    Ok(Inputs::of(store, value, &[], voice)?.whole().map(|(plan, ..)| plan))
}

/// Reckons the whole plan; nothing is stored.
#[utoipa::path(post, path = "/api/v1/plan", request_body = PlanRequest, responses((status = 200, body = Plan), (status = 422, body = Problem)))]
pub async fn plan(State(app): State<App>, voice: Asked, JsonBody(value): JsonBody) -> Result<impl IntoResponse, Problem> {
    let kept = Arc::clone(&app.plans);
    let planned = app.reckon(move |store| {
        let content = content(store, &value, voice)?;
        if let Some(made) = kept.of(&content) {
            return Ok(Ok(made));
        }
        let planned = plan_with_store(store, value, voice)?;
        Ok(planned.and_then(|plan| {
            let made = plan.written().map(Bytes::from).map_err(|e| vec![Fault::new("", e.to_string())])?;
            kept.keep(content, &made);
            Ok(made)
        }))
    });
    let made = planned.await?.map_err(Problem::faulty)?;
    Ok(([(header::CONTENT_TYPE, "application/json")], made))
}

/// All that a plan asked for hangs on: what was sent, its voice, and of the shop the drawer and the lathe it names.
fn content(store: &Store, sent: &Value, voice: Asked) -> Result<String, Failed> {
    let drawer = if sent["kit"].is_null() { store.kit()? } else { None };
    let lathe = sent["lathe_id"].as_str().map(|id| store.lathe(id)).transpose()?.flatten();
    Ok(format!("{sent}\n{voice:?}\n{}\n{}", drawer.unwrap_or_default(), lathe.map_or_else(String::new, |l| l.body)))
}

/// A callout being typed.
#[derive(Default, Deserialize, ToSchema)]
#[serde(default, deny_unknown_fields)]
pub struct CalloutRequest {
    /// As typed.
    text: String,
}

/// What a callout says, or what is missing from it.
#[derive(Serialize, ToSchema)]
pub struct CalloutAnswer {
    /// What it reads as; null while it does not read.
    reads: Option<CalloutReads>,
    /// What is missing.
    missing: Option<String>,
    /// The nearest that do read.
    near: Vec<String>,
}

/// A callout read.
#[derive(Serialize, ToSchema)]
pub struct CalloutReads {
    /// Size, class and hand.
    name: String,
    /// Member.
    side: Side,
    /// Pitch as it is said.
    pitch: String,
    /// Series.
    series: String,
    /// Class.
    class: String,
}

/// Reads a callout as it is typed; always 200.
#[utoipa::path(post, path = "/api/v1/callout", request_body = CalloutRequest, responses((status = 200, body = CalloutAnswer)))]
pub async fn callout(voice: Asked, Sent { read: request, faults }: Sent<CalloutRequest>) -> Result<Json<CalloutAnswer>, Problem> {
    if !faults.is_empty() {
        return Err(Problem::faulty(faults));
    }
    Ok(Json(match core_callout::read(&request.text) {
        Ok(spec) => CalloutAnswer {
            reads: Some(CalloutReads {
                name: spec.name(),
                side: spec.side,
                pitch: spec.pitch_text(),
                series: spec.series.clone(),
                class: spec.class.to_string(),
            }),
            missing: None,
            near: Vec::new(),
        },
        Err(fault) => CalloutAnswer { reads: None, missing: Some(clipped(&fault.missing.said(voice.plain()))), near: fault.near },
    }))
}

/// Ranks the standard threads a sample may be.
#[utoipa::path(post, path = "/api/v1/identify", request_body = SampleRequest, responses((status = 200, body = Identified), (status = 422, body = Problem)))]
pub async fn identify(voice: Asked, Sent { read: asked, faults }: Sent<SampleRequest>) -> Result<Json<Identified>, Problem> {
    Sample::check(&asked, faults, voice.plain()).map(|sample| Json(core_identify(&sample, voice.plain()))).map_err(Problem::faulty)
}

/// A standard size.
#[derive(Serialize, ToSchema)]
pub struct Size {
    /// Its callout.
    callout: &'static str,
    /// Nominal diameter.
    major_mm: Quantity,
    /// Pitch as it is said.
    pitch: String,
}

/// The sizes of one series.
#[derive(Serialize, ToSchema)]
pub struct SeriesSizes {
    /// As a callout names it.
    series: &'static str,
    /// What it is.
    says: &'static str,
    /// By diameter.
    sizes: Vec<Size>,
}

/// Every standard size, by series.
#[utoipa::path(get, path = "/api/v1/sizes", responses((status = 200, body = Vec<SeriesSizes>)))]
pub async fn sizes(voice: Asked) -> Json<Vec<SeriesSizes>> {
    let of = |series: Series| SeriesSizes {
        series: series.label(),
        says: series.says(),
        sizes: of_series(series).map(|s| Size { callout: &s.name, major_mm: Quantity::given(voice.plain(), real(&s.major)), pitch: s.pitch_text() }).collect(),
    };
    Json(Series::ALL.map(of).into())
}

/// A reading told to the gauge: a size, or how the mate went.
#[derive(Serialize, ToSchema)]
pub struct Reading {
    /// A size, and what it was read with.
    #[serde(flatten)]
    measured: Measured,
    /// How the mate went.
    fit: Option<FitKind>,
    /// Turns the mate enters; goes with `fit`.
    turns: Option<f64>,
    /// Shake of the mate; goes with `fit`.
    shake_mm: Option<f64>,
    /// How far the mate stands off, laid on; goes with `fit`.
    stands_off_mm: Option<f64>,
    /// What met before the threads did; goes with `fit`.
    touched: Option<Touched>,
    /// Where the dial stood, radial.
    at_radial_mm: Option<f64>,
}

/// The gauge request: a plan and what was read or tried, in the order it was.
#[derive(Default, Deserialize, ToSchema)]
#[serde(default, deny_unknown_fields)]
pub struct GaugeBody {
    /// The plan request.
    #[schema(value_type = PlanRequest)]
    plan: Value,
    /// A stored job in its place: of one begun, the plan it was begun on.
    job: Option<String>,
    /// Readings; the verdict is on the last, knowing those before it.
    #[schema(value_type = Vec<Reading>)]
    readings: Vec<Value>,
}

/// Most readings told at once.
const READINGS: usize = 50;

/// A reading as the act it would be at the lathe, so that the same checks hold, with where the dial stood.
fn told(mut reading: Value, voice: Voice) -> Result<(ActKind, Option<f64>), Vec<Fault>> {
    let mut faults = Vec::new();
    let mut number = |reading: &mut Value, name: &str| {
        let value = reading.as_object_mut().and_then(|o| o.remove(name)).filter(|v| !v.is_null())?;
        value.as_f64().or_else(|| {
            faults.push(Fault::new(format!("/{name}"), say!(Voice::default(), "srv-number-wanted")));
            None
        })
    };
    let [at, turns, shake_mm, stands_off_mm] = ["at_radial_mm", "turns", "shake_mm", "stands_off_mm"].map(|name| number(&mut reading, name));
    let met = reading.as_object_mut().and_then(|o| o.remove("touched")).filter(|v| !v.is_null()).map(serde_json::from_value::<Touched>);
    let met_told = met.is_some();
    if matches!(met, Some(Err(_))) {
        faults.push(Fault::new("/touched", say!(Voice::default(), "srv-touched-kinds")));
    }
    if at.is_some_and(|a| !(a.is_finite() && (0.0..=100.0).contains(&a))) {
        faults.push(Fault::new("/at_radial_mm", say!(Voice::default(), "srv-dial-stands-0", nominal = voice.nominal(100.0))));
    }
    let fit = reading.as_object_mut().and_then(|o| o.remove("fit")).filter(|v| !v.is_null());
    let act = if let Some(fit) = fit {
        if reading.as_object().is_some_and(|o| o.values().any(|v| !v.is_null())) {
            faults.push(Fault::new("/fit", say!(Voice::default(), "srv-one-thing-time-fit-size")));
        }
        match serde_json::from_value::<FitKind>(fit) {
            Ok(fit) => Some(ActKind::Tried { fit, turns, shake_mm, stands_off_mm, touched: met.and_then(Result::ok) }),
            Err(_) => {
                faults.push(Fault::new("/fit", say!(Voice::default(), "srv-fit-wontenter-enters-tight-free")));
                None
            }
        }
    } else {
        let (measured, wrong) = read_json::<Measured>(reading);
        for (name, told) in
            [("/turns", turns.is_some()), ("/shake_mm", shake_mm.is_some()), ("/stands_off_mm", stands_off_mm.is_some()), ("/touched", met_told)]
        {
            if told {
                faults.push(Fault::new(name, say!(Voice::default(), "srv-goes-fit")));
            }
        }
        let sound = wrong.is_empty();
        faults.extend(wrong);
        sound.then_some(ActKind::Measured(measured))
    };
    if let Some(Err(wrong)) = act.as_ref().map(|act| act.check(voice)) {
        faults.extend(wrong.into_iter().map(|(field, detail)| Fault::new(field, detail)));
    }
    match act {
        Some(act) if faults.is_empty() => Ok((act, at)),
        _ => Err(faults),
    }
}

/// A scratch that measures another pitch than was meant.
#[derive(Default, Deserialize, ToSchema)]
#[serde(default, deny_unknown_fields)]
pub struct ScratchBody {
    /// The plan request.
    #[schema(value_type = PlanRequest)]
    plan: Value,
    /// The pitch of the scratch, as measured.
    measured_mm: Option<f64>,
}

/// What was likely hung.
#[derive(Serialize, ToSchema)]
pub struct ScratchView {
    /// In one sentence.
    says: String,
    /// Mistakes that give the pitch measured, likeliest first.
    mistakes: Vec<Mistake>,
}

/// Names the mistakes that would cut the pitch measured on the scratch.
#[utoipa::path(post, path = "/api/v1/scratch", request_body = ScratchBody, responses((status = 200, body = ScratchView), (status = 422, body = Problem)))]
pub async fn scratch(State(app): State<App>, voice: Asked, Sent { read: request, mut faults }: Sent<ScratchBody>) -> Result<Json<ScratchView>, Problem> {
    let spoken = voice.of(&request.plan);
    let measured = request.measured_mm.filter(|m| m.is_finite() && (0.02..=400.0).contains(m));
    if measured.is_none() {
        faults.push(Fault::new("/measured_mm", say!(Voice::default(), "srv-pitch-measured-scratch-wanted", from_to = spoken.from_to(0.02, 400.0))));
    }
    let settled = app.reckon(move |store| Ok(Inputs::of(store, request.plan, &[], voice)?.whole().map(|(plan, _, lathe, _)| (plan, lathe)))).await?;
    let (Ok((plan, lathe)), Some(measured), true) = (settled.as_ref().map_err(|_| ()), measured, faults.is_empty()) else {
        faults.extend(settled.err().into_iter().flatten().map(|f| Fault::new(format!("/plan{}", f.pointer), f.detail)));
        return Err(Problem::faulty(faults));
    };
    let Some(pointed) = plan.pointed() else {
        return Err(Problem::fault("/plan/making/by", say!(spoken, "srv-of-a-single-point", by = plan.run.maker.word())));
    };
    let (says, mistakes) = pointed.gears.misfit(lathe, plan.thread.starts, measured, plan.voice);
    Ok(Json(ScratchView { says, mistakes }))
}

/// The plan readings are judged by.
fn judged_by(store: &Store, plan: Value, job: Option<String>, voice: Asked) -> Result<Result<Plan, Vec<Fault>>, Failed> {
    let Some(id) = job else { return plan_with_store(store, plan, voice) };
    let Some(row) = store.job(&id)? else { return Ok(Err(vec![Fault::new("", say!(Voice::default(), "srv-there-no-job"))])) };
    let inputs = Inputs::of_job(store, &row, voice, || Ok(stored::request(&row)?))?;
    Ok(inputs.whole().map(|(plan, ..)| plan))
}

/// Judges readings against a plan; nothing is stored.
#[utoipa::path(post, path = "/api/v1/gauge", request_body = GaugeBody, responses((status = 200, body = Verdict), (status = 422, body = Problem)))]
pub async fn gauge(State(app): State<App>, voice: Asked, Sent { read: request, mut faults }: Sent<GaugeBody>) -> Result<Json<Verdict>, Problem> {
    let spoken = voice.of(&request.plan);
    let (plan, job) = (request.plan, request.job);
    let planned = app.reckon(move |store| judged_by(store, plan, job, voice)).await?;
    let planned = planned.map_err(|inner| {
        // Where the plan's own fields are faulty, say so from the root of this request.
        faults.extend(inner.into_iter().map(|f| Fault::new(format!("/plan{}", f.pointer), f.detail)));
    });
    if request.readings.is_empty() || request.readings.len() > READINGS {
        faults.push(Fault::new("/readings", say!(Voice::default(), "srv-one-readings-wanted-each-overwiresmm", readings = READINGS)));
    }
    let mut readings = Vec::new();
    for (i, reading) in request.readings.into_iter().enumerate().take(READINGS) {
        match told(reading, spoken) {
            Ok(one) => readings.push(one),
            Err(wrong) => faults.extend(wrong.into_iter().map(|f| Fault::new(format!("/readings/{i}{}", f.pointer), f.detail))),
        }
    }
    if let Ok(plan) = &planned {
        for (i, (act, _)) in readings.iter().enumerate() {
            if let Err((field, detail)) = plan.run.check(act, plan.voice) {
                faults.push(Fault::new(format!("/readings/{i}{field}"), detail));
            }
        }
    }
    let (Ok(plan), true) = (planned, faults.is_empty()) else { return Err(Problem::faulty(faults)) };
    let deepest = plan.run.passes.iter().map(|p| p.radial_mm).fold(0.0, f64::max);
    let guessed = readings.iter().any(|r| r.1.is_none());
    let mut stood = deepest;
    let told: Vec<(ActKind, f64)> = readings
        .into_iter()
        .map(|(act, at)| {
            stood = at.unwrap_or(stood);
            (act, stood)
        })
        .collect();
    let spoken = plan.voice;
    let mut run = plan.run;
    if guessed {
        // By where the dial stands nothing can be denied while that is only taken.
        run.mate_limits_mm = None;
    }
    let mut verdict = judge_told(&run, &told, spoken).ok_or_else(|| Problem::fault("/readings/0", say!(Voice::default(), "srv-says-nothing-threads-size")))?;
    if guessed {
        verdict.questions.push(say!(spoken, "srv-where-dial-stood"));
    }
    Ok(Json(verdict))
}

/// A length as typed at a screen.
#[derive(Default, Deserialize, ToSchema)]
#[serde(default, deny_unknown_fields)]
pub struct LengthRequest {
    /// As typed: `3/8`, `22 mm`, `.875`.
    text: String,
    /// The unit meant when none is typed; mm when absent.
    unit: Option<LengthUnit>,
}

/// A length read.
#[derive(Serialize, ToSchema)]
pub struct LengthAnswer {
    /// In mm; null when it does not read.
    mm: Option<f64>,
    /// What would be right.
    missing: Option<String>,
}

/// Reads a length the way a machinist writes it; always 200.
#[utoipa::path(post, path = "/api/v1/length", request_body = LengthRequest, responses((status = 200, body = LengthAnswer)))]
pub async fn length(Sent { read: request, faults }: Sent<LengthRequest>) -> Result<Json<LengthAnswer>, Problem> {
    if !faults.is_empty() {
        return Err(Problem::faulty(faults));
    }
    Ok(Json(match parse_length(&request.text, request.unit.unwrap_or(LengthUnit::Mm)) {
        Ok(length) => LengthAnswer { mm: Some(real(&length.mm)), missing: None },
        Err(fault) => LengthAnswer { mm: None, missing: Some(clipped(&fault.0)) },
    }))
}

/// The lathe a callout alone is planned on: the one told first of those that stand in the shop, if any does.
pub fn first_lathe(store: &Store) -> Result<Option<String>, yoke_store::StoreError> {
    Ok(store.lathes()?.into_iter().find(|l| l.away.is_none()).map(|l| l.id))
}

/// A plan request naming a callout and a stored lathe, where there is one.
pub fn request_of(callout: &str, lathe_id: Option<&str>) -> Value {
    let mut request = json!({ "thread": { "callout": callout } });
    if let Some(id) = lathe_id {
        request["lathe_id"] = json!(id);
    }
    request
}
