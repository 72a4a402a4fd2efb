//! A minute's trial: the fixed ratio from turns and travel, the teeth of a dial gear from marks passed.

use crate::faults::{Checker, Fault};
use crate::job::{KeepRequest, Lathe, LatheProfile};
use crate::quantity::{Ratio, plain_text, ratio_text, real};
use crate::voice::Voice;
use crate::{say, sentence};
use serde::{Deserialize, Serialize};

/// What was tried.
#[derive(Debug, Clone, Default, PartialEq, Serialize, Deserialize)]
#[serde(default, deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct TrialRequest {
    /// Turns given to the spindle, half-nut closed.
    pub spindle_turns: Option<f64>,
    /// How far the carriage went.
    pub travel_mm: Option<f64>,
    /// The train that was on.
    pub train: KeepRequest,
    /// The gearbox position it stood at.
    pub gearbox: Option<String>,
    /// Turns of the leadscrew, half-nut open and the carriage standing, while the dial was watched.
    pub screw_turns: Option<f64>,
    /// Marks that passed.
    pub marks_passed: Option<f64>,
    /// Marks on the dial.
    pub marks: Option<i64>,
}

/// What the trial tells.
#[derive(Debug, Clone, Default, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct TrialView {
    /// The fixed ratio, as a fraction.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub fixed_ratio: Option<String>,
    /// Teeth of the dial gear.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub dial_teeth: Option<i64>,
    /// In words, how sure it is included.
    pub says: Vec<String>,
}

/// Largest term of a fixed ratio: tumblers and stud gears are simple. House value.
const TERMS: i128 = 8;
/// How near a simple fraction must be: a rule along the bed over ten turns is that good.
const NEAR: f64 = 0.01;

impl TrialRequest {
    /// Works the trial out for a lathe.
    ///
    /// # Errors
    /// Every faulty field, with its pointer.
    pub fn read(&self, profile: &LatheProfile, voice: Voice) -> Result<TrialView, Vec<Fault>> {
        let mut c = Checker::spoken(voice);
        let lathe = profile.check("/lathe", &mut c);
        let mut said = TrialView::default();
        if self.spindle_turns.is_some() || self.travel_mm.is_some() {
            self.travel(&lathe, &mut said, &mut c);
        }
        if self.screw_turns.is_some() || self.marks_passed.is_some() || self.marks.is_some() {
            self.dial(&mut said, &mut c);
        }
        if said.says.is_empty() && c.faults.is_empty() {
            c.fault("/spindle_turns", sentence!("fact-nothing-tried-give-spindleturns-travelmm"));
        }
        if c.faults.is_empty() { Ok(said) } else { Err(c.faults) }
    }

    /// What lies between the gears and the leadscrew, from turns and travel.
    fn travel(&self, lathe: &Lathe, said: &mut TrialView, c: &mut Checker) {
        let voice = c.voice;
        let wanted = |v: Option<f64>, low: f64, high: f64, at: &str, what: &str, c: &mut Checker| {
            if v.is_none() {
                c.fault(at, sentence!("fact-wanted-too", what = what));
            }
            c.sound(v, low, high, at, "")
        };
        let turns = wanted(self.spindle_turns, 0.5, 10_000.0, "/spindle_turns", "how many turns the spindle was given", c);
        let travel = wanted(self.travel_mm, 0.5, 10_000.0, "/travel_mm", "how far the carriage went", c);
        let (drivers, driven) = (c.teeth(&self.train.drivers, "/train/drivers"), c.teeth(&self.train.driven, "/train/driven"));
        if drivers.len() != driven.len() {
            c.fault("/train", sentence!("hang-as-many"));
        }
        let lever = self.gearbox.as_ref().map_or_else(
            || lathe.gearbox.first(),
            |name| {
                let found = lathe.gearbox.iter().find(|p| p.name == *name);
                if found.is_none() {
                    c.fault("/gearbox", sentence!("fact-not-gearbox-position", name = name, lathe = lathe.name));
                }
                found
            },
        );
        if let (Some(turns), Some(travel), Some(lever), true) = (turns, travel, lever, c.faults.is_empty()) {
            let product = |list: &[u16]| list.iter().map(|t| i128::from(*t)).product::<i128>();
            let known = Ratio::new(product(&drivers), product(&driven)) * lever.ratio.0 * lathe.leadscrew;
            let measured = travel / turns / real(&known);
            let (simple, off) = simplest(measured);
            if off <= NEAR {
                said.fixed_ratio = Some(ratio_text(&simple));
                said.says.push(say!(
                    voice,
                    "trial-fixed-ratio",
                    ratio = ratio_text(&simple),
                    measured = plain_text(measured, 4),
                    off = plain_text(off * 100.0, 2)
                ));
            } else {
                said.says.push(say!(voice, "trial-no-ratio", measured = plain_text(measured, 4)));
            }
        }
    }

    /// The dial's teeth, from the marks that passed.
    fn dial(&self, said: &mut TrialView, c: &mut Checker) {
        let voice = c.voice;
        let screw = c.sound(self.screw_turns, 0.5, 10_000.0, "/screw_turns", "turns");
        let passed = c.sound(self.marks_passed, 0.5, 10_000.0, "/marks_passed", "marks");
        let marks = c.count(self.marks, (1, 400), 0, "/marks", "marks");
        if self.screw_turns.is_none() || self.marks_passed.is_none() || self.marks.is_none() {
            c.fault("/marks", sentence!("fact-leadscrews-turns-marks-passed-marks"));
        }
        if let (Some(screw), Some(passed), true) = (screw, passed, marks > 0) {
            #[allow(clippy::cast_precision_loss)] // at most 400
            let teeth = screw * marks as f64 / passed;
            #[allow(clippy::cast_possible_truncation)] // a count of teeth
            let whole = teeth.round() as i64;
            if (teeth - teeth.round()).abs() <= 0.15 && (4..=400).contains(&whole) {
                said.dial_teeth = Some(whole);
                said.says.push(say!(voice, "trial-dial-teeth", whole = &whole, count = plain_text(teeth, 2)));
            } else {
                said.says.push(say!(voice, "trial-no-teeth", count = plain_text(teeth, 2)));
            }
        }
    }
}

/// The simplest fraction near a measured ratio, and how far off it is: the one whose misfit and size together are least.
fn simplest(measured: f64) -> (Ratio, f64) {
    let mut best = (Ratio::from_integer(1), f64::MAX, f64::MAX);
    for n in 1..=TERMS {
        for d in 1..=TERMS {
            let ratio = Ratio::new(n, d);
            let off = (real(&ratio) / measured - 1.0).abs();
            #[allow(clippy::cast_precision_loss)] // terms up to eight
            let cost = off + NEAR / 20.0 * (ratio.numer() + ratio.denom()) as f64 / 2.0;
            if cost < best.2 {
                best = (ratio, off, cost);
            }
        }
    }
    (best.0, best.1)
}
