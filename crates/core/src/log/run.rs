//! The state of a run: a pure fold over a frozen plan and its acts.

use super::act::{Act, ActKind};
use crate::cut::{DepthDial, DialSetting, PassKind};
use crate::gauge::{PitchDiameter, RunTip, Sized, TipFound, Verdict, VerdictKind, judge_knowing, tip_found};
use crate::quantity::LengthUnit;
use crate::thread::Side;
use serde::{Deserialize, Serialize};

/// A pass to be cut.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct RunPass {
    /// Its number.
    pub n: u32,
    /// What it is for.
    pub kind: PassKind,
    /// Radial depth to set, mm.
    pub radial_mm: f64,
}

/// The wires of the plan.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct RunWires {
    /// Diameter, mm.
    pub wire_mm: f64,
    /// Size over them less the pitch diameter, mm.
    pub sum_mm: f64,
    /// Whether that is corrected for the lead angle.
    pub corrected: bool,
}

/// What a run needs of its plan; frozen with it at the first pass.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct RunPlan {
    /// Member being cut.
    pub side: Side,
    /// Diameter the cut starts from, mm.
    pub start_mm: f64,
    /// Tip to pitch line, mm.
    pub tip_to_pitch_mm: f64,
    /// How far the infeed could be out for want of measuring the tip, mm radial.
    pub tip_doubt_mm: f64,
    /// Pitch diameter aimed at, mm.
    pub target_mm: f64,
    /// Limits of the pitch diameter, mm.
    pub limits_mm: [f64; 2],
    /// The dial that carries the depth.
    pub dial: DepthDial,
    /// Wires, when they serve.
    pub wires: Option<RunWires>,
    /// Largest single finishing cut asked for after a measurement, mm radial.
    pub finishing_cut_mm: f64,
    /// The schedule.
    pub passes: Vec<RunPass>,
    /// The tip it was laid out for; absent in plans frozen before it was kept.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub tip: Option<RunTip>,
}

impl RunPlan {
    /// Root diameter the tip leaves when the pitch diameter is this, mm.
    #[must_use]
    pub fn root_at(&self, pitch_diameter_mm: f64) -> f64 {
        let below = if self.side == Side::External { -1.0 } else { 1.0 };
        pitch_diameter_mm + below * 2.0 * self.tip_to_pitch_mm
    }
}

/// What to do next.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct NextStep {
    /// The pass.
    pub pass: RunPass,
    /// Its setting.
    pub setting: DialSetting,
    /// Said aloud: what to set.
    pub says: String,
}

/// How a run stands.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct RunState {
    /// Whether anything has been cut.
    pub begun: bool,
    /// Where the dial stands, radial mm.
    pub stands_mm: f64,
    /// The same as a setting.
    pub stands: DialSetting,
    /// The next pass; absent when the next thing is to measure, or nothing.
    pub next: Option<NextStep>,
    /// Passes still to come, this schedule.
    pub schedule: Vec<NextStep>,
    /// Passes cut.
    pub passes_done: usize,
    /// Numbers of the passes cut, in the order they were.
    pub done: Vec<u32>,
    /// The last verdict.
    pub verdict: Option<Verdict>,
    /// What the readings have found of the tip.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub tip: Option<TipFound>,
    /// Whether the thread is proven.
    pub finished: bool,
    /// The act that undo takes back.
    pub last_act: Option<String>,
    /// What to do, in one sentence.
    pub says: String,
}

/// Differences of depth smaller than this are the same setting, mm.
const SAME_MM: f64 = 1e-6;

struct Run<'a> {
    plan: &'a RunPlan,
    stands: f64,
    /// The schedule as last planned: the frozen one, or the one a measurement made.
    basis: Vec<RunPass>,
    schedule: Vec<RunPass>,
    done: Vec<u32>,
    verdict: Option<Verdict>,
    finished: bool,
    begun: bool,
    /// Passes taken at the depth the dial stands at, and the readings that can be trusted.
    here: u32,
    readings: Vec<Sized>,
}

/// Folds the acts over the plan. Acts taken back count for nothing; the same pass told twice counts
/// once.
#[must_use]
pub fn fold(plan: &RunPlan, acts: &[Act]) -> RunState {
    let undone: Vec<&str> = acts
        .iter()
        .filter_map(|a| match &a.kind {
            ActKind::Undone { act } => Some(act.as_str()),
            _ => None,
        })
        .collect();
    let standing: Vec<&Act> = acts.iter().filter(|a| !undone.contains(&a.id.as_str()) && !matches!(a.kind, ActKind::Undone { .. })).collect();
    let mut run = Run {
        plan,
        stands: 0.0,
        basis: plan.passes.clone(),
        schedule: plan.passes.clone(),
        done: Vec::new(),
        verdict: None,
        finished: false,
        begun: false,
        here: 0,
        readings: Vec::new(),
    };
    for act in &standing {
        run.take(&act.kind);
    }
    let last_act = standing.iter().rev().find(|a| !matches!(a.kind, ActKind::Note { .. })).map(|a| a.id.clone());
    run.state(last_act)
}

impl Run<'_> {
    fn take(&mut self, act: &ActKind) {
        match act {
            ActKind::PassDone { n, radial_mm } => {
                self.begun = true;
                self.here = if (*radial_mm - self.stands).abs() < SAME_MM { self.here + 1 } else { 1 };
                self.stands = *radial_mm;
                if !self.done.contains(n) {
                    self.done.push(*n);
                }
                let stands = self.stands;
                self.schedule.retain(|p| p.n != *n && p.radial_mm >= stands - SAME_MM);
                self.verdict = None;
                self.finished = false;
            }
            ActKind::Measured { .. } => self.measure(act),
            ActKind::StandsAt { reading } => self.stand_at(self.plan.dial.radial_of_reading(*reading)),
            ActKind::Undone { .. } | ActKind::Note { .. } => {}
        }
    }

    fn measure(&mut self, act: &ActKind) {
        let known = tip_found(self.plan, &self.readings);
        let verdict = act.measured().and_then(|m| judge_knowing(self.plan, &m, self.stands, known.as_ref()));
        if let Some(verdict) = &verdict {
            // The last reading has the word: a thread once proven and then read large, or in doubt, is not.
            self.finished = verdict.verdict == VerdictKind::InLimits;
            if verdict.questions.is_empty() {
                let PitchDiameter { value, doubt } = verdict.pitch_diameter_mm;
                self.readings.push(Sized { stood_mm: self.stands, size_mm: value, doubt_mm: doubt, springs: self.here.saturating_sub(1) });
            }
            match verdict.verdict {
                VerdictKind::InLimits | VerdictKind::PastLimit => {
                    self.basis.clear();
                    self.schedule.clear();
                }
                VerdictKind::TakeMore => self.plan_on(verdict.next.as_ref().map_or(self.stands, |n| n.radial_mm)),
                // A doubtful reading changes nothing; what was planned may be going past the limit, so
                // it waits for a reading that can be trusted.
                VerdictKind::Unsure => {}
            }
        }
        self.verdict = verdict;
    }

    /// Replans from where the dial stands to `last`: the planned depths that still lie between, and
    /// no single step bolder than a finishing cut once those have run out.
    fn plan_on(&mut self, last: f64) {
        let mut n = self.plan.passes.iter().map(|p| p.n).chain(self.done.iter().copied()).max().unwrap_or(0);
        let mut depths: Vec<f64> = self.schedule.iter().filter(|p| p.kind == PassKind::Cut).map(|p| p.radial_mm).collect();
        depths.retain(|d| *d > self.stands + SAME_MM && *d < last - self.plan.finishing_cut_mm / 2.0);
        let from = depths.last().copied().unwrap_or(self.stands);
        let steps = ((last - from) / self.plan.finishing_cut_mm - 1e-9).ceil().clamp(1.0, 50.0);
        #[allow(clippy::cast_possible_truncation, clippy::cast_sign_loss)] // clamped just above
        let steps = steps as u32;
        depths.extend((1..steps).map(|i| self.plan.dial.nearest(from + (last - from) * f64::from(i) / f64::from(steps)).radial_mm));
        depths.push(last);
        depths.dedup_by(|a, b| (*a - *b).abs() < SAME_MM);
        self.schedule = depths
            .into_iter()
            .map(|radial_mm| {
                n += 1;
                RunPass { n, kind: PassKind::Measured, radial_mm }
            })
            .collect();
        if last <= self.stands + SAME_MM {
            for pass in &mut self.schedule {
                pass.kind = PassKind::Spring;
            }
        }
        self.basis.clone_from(&self.schedule);
    }

    /// One act resyncs everything: what is shallower has been passed, what is deeper is to come.
    fn stand_at(&mut self, radial: f64) {
        self.stands = radial;
        self.here = 0;
        self.begun = true;
        self.verdict = None;
        self.finished = false;
        let mut all = self.basis.clone();
        let cuts_left = all.iter().any(|p| p.kind == PassKind::Cut && p.radial_mm > radial + SAME_MM);
        all.retain(|p| p.radial_mm > radial + SAME_MM || (p.kind == PassKind::Spring && p.radial_mm >= radial - SAME_MM));
        all.retain(|p| p.kind != PassKind::Spring || cuts_left || !self.done.contains(&p.n));
        self.schedule = all;
    }

    fn step(&self, pass: RunPass) -> NextStep {
        let setting = self.plan.dial.nearest(pass.radial_mm).setting;
        let says = match pass.kind {
            PassKind::Scratch => format!("Scratch pass: set {}, hand on the lever, and check the pitch.", setting.text),
            PassKind::Cut | PassKind::Measured => format!("Set {}.", setting.text),
            PassKind::Spring => format!("Spring pass: leave it at {}.", setting.text),
        };
        NextStep { pass, setting, says }
    }

    fn state(self, last_act: Option<String>) -> RunState {
        let schedule: Vec<NextStep> = self.schedule.iter().map(|p| self.step(*p)).collect();
        // While a reading is in question nothing deeper is offered.
        let held = self.verdict.as_ref().is_some_and(|v| v.verdict == VerdictKind::Unsure);
        let next = if held { None } else { schedule.first().cloned() };
        let says = match (&self.verdict, &next) {
            (Some(v), _) => v.says.clone(),
            (None, Some(step)) => step.says.clone(),
            (None, None) => "All passes cut: measure before you take it out.".into(),
        };
        let stands = self.plan.dial.nearest(self.stands).setting;
        RunState {
            begun: self.begun,
            stands_mm: self.stands,
            stands,
            next,
            schedule,
            passes_done: self.done.len(),
            done: self.done,
            verdict: self.verdict,
            tip: tip_found(self.plan, &self.readings),
            finished: self.finished,
            last_act,
            says,
        }
    }
}

impl RunPlan {
    /// Checks an act against the plan it would be recorded under, beyond what [`ActKind::check`] can
    /// see alone.
    ///
    /// # Errors
    /// The JSON pointer of the field and what would be right.
    pub fn check(&self, act: &ActKind) -> Result<(), (&'static str, String)> {
        let ActKind::StandsAt { reading } = act else { return Ok(()) };
        let deepest = self.passes.iter().map(|p| p.radial_mm).fold(0.0, f64::max);
        let radial = self.dial.radial_of_reading(*reading);
        if radial <= 2.0 * deepest + 1.0 {
            return Ok(());
        }
        let full = self.dial.nearest(deepest).setting.reading;
        let other = if self.dial.unit == LengthUnit::In { "mm" } else { "inches" };
        Err(("/reading", format!("full depth is {full} on this dial, and {reading} is far past it: was that read in {other}?")))
    }
}
