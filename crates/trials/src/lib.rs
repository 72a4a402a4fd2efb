//! What the trials of the core share.
#![allow(clippy::panic)] // a failure is a failed trial

use serde_json::{Value, json};
use yoke_core::faults::{Fault, read_json};
use yoke_core::gauge::{Measured, Verdict};
use yoke_core::job::{Job, Kit, Lathe, PlanRequest, settle};
use yoke_core::log::{ActKind, judge_told};
use yoke_core::plan::{Plan, Pointed, plan};
use yoke_core::run::RunPlan;
use yoke_core::thread::{Fit, FitKind, FitTold};
use yoke_core::voice::Voice;
use yoke_core::watch::Code;

/// A plan known to be of a single point.
pub trait SinglePoint {
    /// What only such a one has.
    fn point(&self) -> Pointed<'_>;
}

impl SinglePoint for Plan {
    fn point(&self) -> Pointed<'_> {
        self.pointed().unwrap_or_else(|| panic!("no single point: {:?}", self.chaser))
    }
}

/// Plans a request on the first lathe of the demo yard and out of its drawer where it names none, or says what is faulty.
pub fn reckon(request: Value) -> Result<Plan, Vec<Fault>> {
    let (job, lathe, kit) = settled(request)?;
    Ok(plan(&job, &lathe, &kit))
}

/// Settles a request likewise.
///
/// # Errors
/// Its faults.
pub fn settled(mut request: Value) -> Result<(Job, Lathe, Kit), Vec<Fault>> {
    if let Some(asked) = request.as_object_mut() {
        if !asked.contains_key("lathe") && !asked.contains_key("lathe_id") {
            asked.insert("lathe".into(), demo_lathe(0));
        }
        asked.entry("kit").or_insert_with(|| serde_json::to_value(Kit::alder_reach()).unwrap_or_default());
    }
    let (request, faults) = read_json::<PlanRequest>(request);
    settle(&request, None, faults)
}

/// The same request with the tip told that its form aims at, so that the passes go the whole way.
pub fn with_the_tip_aimed_at(mut request: Value) -> Value {
    let plan = sound(request.clone());
    let bit = plan.point().bit;
    let (field, aim) = bit.tip_radius_mm.as_ref().map_or(("tip_flat_mm", bit.tip_flat_mm.aim.value), |r| ("tip_radius_mm", r.aim.value));
    request["bit"][field] = json!(aim);
    request
}

/// Plans a request as it stands, or says what is faulty.
///
/// # Errors
/// Its faults.
pub fn bare(request: Value) -> Result<Plan, Vec<Fault>> {
    let (request, faults) = read_json::<PlanRequest>(request);
    let (job, lathe, kit) = settle(&request, None, faults)?;
    Ok(plan(&job, &lathe, &kit))
}

/// Plans a request that must be sound.
pub fn sound(request: Value) -> Plan {
    reckon(request).unwrap_or_else(|f| panic!("{f:?}"))
}

/// Judges a reading taken with the dial at a depth, after the passes the plan set.
pub fn judge(run: &RunPlan, reading: &Measured, stood_mm: f64) -> Option<Verdict> {
    judge_told(run, &[(ActKind::Measured(reading.clone()), stood_mm)], Voice::default())
}

/// Judges how the mate went, likewise.
pub fn judge_fit(run: &RunPlan, fit: Fit, stood_mm: f64) -> Verdict {
    judge_told(run, &[(tried(fit), stood_mm)], Voice::default()).unwrap_or_else(|| panic!("{fit:?} says nothing"))
}

/// A fit as the act it is told by.
pub fn tried(fit: Fit) -> ActKind {
    let (fit, told) = match fit {
        Fit::WontEnter => (FitKind::WontEnter, FitTold::default()),
        Fit::Enters { turns } => (FitKind::Enters, FitTold { turns: Some(turns), ..FitTold::default() }),
        Fit::Tight => (FitKind::Tight, FitTold::default()),
        Fit::Free => (FitKind::Free, FitTold::default()),
        Fit::Shakes { shake_mm } => (FitKind::Shakes, FitTold { shake_mm: Some(shake_mm), ..FitTold::default() }),
        Fit::LaidOn { off_mm } => (FitKind::LaidOn, FitTold { stands_off_mm: Some(off_mm), ..FitTold::default() }),
    };
    let FitTold { turns, shake_mm, stands_off_mm } = told;
    ActKind::Tried { fit, turns, shake_mm, stands_off_mm, touched: None }
}

/// The lathe of the demo yard at this place in its list.
pub fn demo_lathe(index: usize) -> Value {
    let yard: Value = serde_json::from_str(include_str!("../../core/data/alder_reach.json")).unwrap_or_default();
    yard["lathes"][index].clone()
}

/// A plan of a bare callout on one of the demo lathes.
pub fn on(index: usize, callout: &str) -> Plan {
    sound(json!({"thread": {"callout": callout}, "lathe": demo_lathe(index)}))
}

/// Whether watch holds a code at a level.
///
/// # Panics
/// When there is no such code, which would otherwise never be held.
pub fn watches(plan: &Plan, level: &str, code: &str) -> bool {
    assert!(Code::ALL.iter().any(|c| c.name() == code), "{code} is no code of watch");
    plan.watch.iter().any(|w| w.code.name() == code && serde_json::to_value(w.level).is_ok_and(|l| l == level))
}

/// What a merge patch makes of a request, as the server makes it of a job.
pub fn patched(request: &mut Value, change: &Value) {
    match (request, change) {
        (Value::Object(of), Value::Object(by)) => {
            for (field, value) in by {
                if value.is_null() {
                    of.remove(field);
                } else {
                    patched(of.entry(field.clone()).or_insert(Value::Null), value);
                }
            }
        }
        (of, by) => {
            let mut made = by.clone();
            if let (Value::Object(_), true) = (&by, of.is_null()) {
                made = json!({});
                patched(&mut made, by);
            }
            *of = made;
        }
    }
}

/// Cases of a long trial: a tenth of them in the everyday check, all when everything is proven.
#[must_use]
pub fn cases(whole: u32) -> u32 {
    if std::env::var_os("YOKE_PROVE").is_some() { whole } else { (whole / 10).max(1) }
}

/// A small generator of one's own, so that simulated runs are the same every time: numbers from 0 to 1.
pub struct Chance(pub u64);

impl Chance {
    /// Evenly from 0 to 1.
    pub fn even(&mut self) -> f64 {
        self.0 = self.0.wrapping_mul(6_364_136_223_846_793_005).wrapping_add(1_442_695_040_888_963_407);
        #[allow(clippy::cast_precision_loss)]
        let share = (self.0 >> 11) as f64 / (1_u64 << 53) as f64;
        share
    }

    /// Evenly between two.
    pub fn between(&mut self, low: f64, high: f64) -> f64 {
        low + (high - low) * self.even()
    }

    /// About normal, by twelve of them.
    pub fn normal(&mut self) -> f64 {
        (0..12).map(|_| self.even()).sum::<f64>() - 6.0
    }
}
