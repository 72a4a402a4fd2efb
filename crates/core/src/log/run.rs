//! The state of a run: a pure fold over a frozen plan and its acts.

mod chased;

use super::act::{Act, ActKind, Back, BitChange};
use crate::cut::aloud::aloud;
use crate::cut::{DialSetting, PassKind, Then};
use crate::gauge::{Believed, Estimate, FlankFound, Observation, PitchDiameter, TipFound, Verdict, VerdictKind, flank_of, judge_fit_knowing, judge_read};
use crate::quantity::plain_text;
use crate::run::{RunPass, RunPlan, SAME_MM};
use crate::say;
use crate::thread::{Fit, Touched};
use crate::voice::Voice;
use serde::Serialize;
use std::collections::BTreeMap;

/// What to do next.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct NextStep {
    /// The pass.
    pub pass: RunPass,
    /// Its setting.
    pub setting: DialSetting,
    /// The side-step to set on the compound along the bed, and which way.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub aside: Option<SideStep>,
    /// The pass in a word or two.
    pub name: String,
    /// What to set.
    pub says: String,
    /// The same as it is said aloud.
    pub aloud: String,
}

/// A side-step of the compound along the bed.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct SideStep {
    /// Its setting from the middle.
    pub setting: DialSetting,
    /// Whether it goes the way the carriage goes.
    pub ahead: bool,
}

/// A step of the set-up as it was ticked.
#[derive(Debug, Clone, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Tick {
    /// The stamp it bore.
    pub stamp: String,
    /// What was noted with it.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub noted: Option<String>,
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
    /// The pitch diameter it is expected to have now, measured or not, and its doubt.
    pub expected_mm: PitchDiameter,
    /// What the readings have found of the tip.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub tip: Option<TipFound>,
    /// The flank angle found by two sizes of wire.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub flank: Option<FlankFound>,
    /// Whether the thread is proven.
    pub finished: bool,
    /// Whether it may be left, or the half-nut opened: measured or tried since it was last cut, or opening loses nothing.
    pub may_leave: bool,
    /// Whether it was said to be done with.
    pub closed: bool,
    /// Whether it is stopped for now.
    pub stopped: bool,
    /// How to get back into the groove, after what was told last; empty when that is not asked for.
    #[serde(skip_serializing_if = "Vec::is_empty")]
    pub pick_up: Vec<String>,
    /// Steps of the set-up, by code, as they were ticked.
    pub ticks: BTreeMap<String, Tick>,
    /// Plain sizes read, by name, mm: the last of each.
    #[serde(skip_serializing_if = "BTreeMap::is_empty")]
    pub sizes: BTreeMap<String, f64>,
    /// How far passes ran past the mark they were to end at, mm, where that was told.
    #[serde(skip_serializing_if = "Vec::is_empty")]
    pub overran_mm: Vec<f64>,
    /// Why it was scrapped, if it was.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub scrapped: Option<String>,
    /// Whether the groove is to be touched with the bit that is in, and the reading told, before it cuts.
    #[serde(skip_serializing_if = "std::ops::Not::not")]
    pub must_touch: bool,
    /// Between which readings of the dial any tip would touch the groove as it stands.
    #[serde(skip)]
    pub touches: Option<[f64; 2]>,
    /// The act that undo takes back.
    pub last_act: Option<String>,
    /// What to do, in one sentence.
    pub says: String,
    /// The same as it is said aloud.
    pub aloud: String,
}

/// Wires must differ by so much for their two sizes to tell an angle, mm.
const WIRES_APART_MM: f64 = 0.1;

/// Share of the tolerance that the swing of work put back may take: half of it is too deep on one side. House value.
const SWING_SHARE: f64 = 0.1;

/// Two readings this near are the same, mm.
const AGAIN_MM: f64 = 0.02;

struct Run {
    /// The frozen plan, as changed by a change of bit.
    plan: RunPlan,
    stands: f64,
    /// The schedule as last planned: the frozen one, or the one a measurement made.
    basis: Vec<RunPass>,
    schedule: Vec<RunPass>,
    done: Vec<u32>,
    verdict: Option<Verdict>,
    finished: bool,
    begun: bool,
    /// Every depth the dial was set to, pass after pass, and what is believed of tip, spring and mate.
    sets: Vec<f64>,
    known: Option<Estimate>,
    /// The last size that can be trusted, with the depth it was read at.
    last_size: Option<[f64; 2]>,
    /// A size that was questioned: read so again, it stands, and what was believed before it does not.
    doubted: Option<f64>,
    /// Likewise a fit.
    doubted_fit: Option<Fit>,
    /// The mate was tried last and met something before the threads did, which says nothing of them.
    held_off: bool,
    /// Sizes over wires read since it was last cut, each with its wire, and the flank angle they gave.
    over: Vec<[f64; 2]>,
    flank: Option<FlankFound>,
    /// Whether it was measured or tried since it was last cut.
    proven: bool,
    /// Sizes read since it was last cut that count, with their doubts.
    read_here: Vec<[f64; 2]>,
    /// A bit nobody measured is in: its tip is wanted from the groove before it cuts.
    must_touch: bool,
    /// Whether the last pass was the stocking tool's.
    roughed: bool,
    closed: bool,
    stopped: bool,
    pick_up: Vec<String>,
    ticks: BTreeMap<String, Tick>,
    sizes: BTreeMap<String, f64>,
    overran_mm: Vec<f64>,
    /// Whether the last pass did.
    ran_past: bool,
    scrapped: Option<String>,
}

/// Ids of the acts taken back.
pub(crate) fn undone(acts: &[Act]) -> Vec<&str> {
    acts.iter().filter_map(|a| if let ActKind::Undone { act } = &a.kind { Some(act.as_str()) } else { None }).collect()
}

/// Acts that count, in order: those taken back left out, and the taking back.
#[must_use]
pub fn standing(acts: &[Act]) -> Vec<&Act> {
    let undone = undone(acts);
    acts.iter().filter(|a| !undone.contains(&a.id.as_str()) && !matches!(a.kind, ActKind::Undone { .. })).collect()
}

/// Folds the acts over the plan. Acts taken back count for nothing; the same pass told twice counts
/// once.
#[must_use]
pub fn fold(plan: &RunPlan, acts: &[Act], voice: Voice) -> RunState {
    let voice = plan.voiced(voice);
    let standing = standing(acts);
    let mut run = Run {
        plan: plan.said_in(voice.words),
        stands: 0.0,
        basis: plan.passes.clone(),
        schedule: plan.passes.clone(),
        done: Vec::new(),
        verdict: None,
        finished: false,
        begun: false,
        sets: Vec::new(),
        known: if plan.chased() { None } else { Estimate::before(plan) },
        last_size: None,
        doubted: None,
        doubted_fit: None,
        held_off: false,
        over: Vec::new(),
        flank: None,
        proven: false,
        read_here: Vec::new(),
        must_touch: false,
        roughed: false,
        closed: false,
        stopped: false,
        pick_up: Vec::new(),
        ticks: BTreeMap::new(),
        sizes: BTreeMap::new(),
        overran_mm: Vec::new(),
        ran_past: false,
        scrapped: None,
    };
    for act in &standing {
        run.take(&act.kind, voice);
    }
    let last_act = standing.iter().rev().find(|a| a.kind.undoes()).map(|a| a.id.clone());
    run.state(last_act, voice)
}

/// Judges what was read or tried, in order, each with where the dial stood: the verdict on the last, knowing those before it.
#[must_use]
pub fn judge_told(plan: &RunPlan, told: &[(ActKind, f64)], voice: Voice) -> Option<Verdict> {
    let mut acts = Vec::new();
    let mut stood = None;
    for (kind, at) in told {
        if stood.is_none_or(|s: f64| (s - at).abs() > SAME_MM) {
            acts.push(ActKind::PassDone { n: 0, radial_mm: *at });
            stood = Some(*at);
        }
        acts.push(kind.clone());
    }
    let acts: Vec<Act> = acts.into_iter().enumerate().map(|(i, kind)| Act { id: i.to_string(), kind }).collect();
    fold(plan, &acts, voice).verdict
}

impl Run {
    fn take(&mut self, act: &ActKind, voice: Voice) {
        match act {
            ActKind::PassDone { n, radial_mm } => self.cut(*n, *radial_mm),
            ActKind::Took { n, reading } => self.cut(*n, self.plan.dial.radial_of_reading(*reading)),
            ActKind::Sprung {} => {
                self.sets.push(self.stands);
                self.worked();
            }
            ActKind::Tried { touched: Some(by), .. } if *by != Touched::Nothing => self.meets(*by, voice),
            ActKind::Measured(_) | ActKind::Tried { .. } if self.plan.chased() => self.measure_chased(act, voice),
            ActKind::Measured(_) | ActKind::Tried { .. } => self.measure(act, voice),
            ActKind::StandsAt { reading } => self.stand_at(self.plan.dial.radial_of_reading(*reading)),
            ActKind::BitChanged { why, tip_flat_mm, tip_radius_mm } => self.change_bit(*why, *tip_flat_mm, *tip_radius_mm, voice),
            ActKind::GrooveTouched { reading, bottom_only } => self.touch(self.plan.dial.radial_of_reading(*reading), *bottom_only),
            ActKind::Rechucked { back, swing_mm } => {
                self.proven = false;
                self.pick_up = self.back_in(*back, *swing_mm, voice);
            }
            ActKind::Lost {} => self.pick_up = self.plan.way_back(self.stands, voice),
            ActKind::Stopped {} => {
                self.stopped = true;
                let stands = self.plan.dial.nearest(self.stands).setting;
                self.pick_up = vec![say!(voice, "stopped-left-at", setting = &stands.text, reading = &stands.reading), say!(voice, "stopped-going-on")];
            }
            ActKind::Resumed {} => self.stopped = false,
            ActKind::Finished {} => self.closed = true,
            ActKind::Ticked { step, stamp, noted } => {
                self.ticks.insert(step.clone(), Tick { stamp: stamp.clone(), noted: noted.clone() });
            }
            ActKind::Unticked { step } => {
                self.ticks.remove(step);
            }
            ActKind::Sized { name, mm } => {
                self.sizes.insert(name.clone(), *mm);
            }
            ActKind::Overran { past_mm } => {
                self.overran_mm.push(*past_mm);
                self.ran_past = *past_mm > 0.0;
            }
            ActKind::Scrapped { why } => self.scrapped = Some(why.clone()),
            ActKind::Undone { .. } | ActKind::Note { .. } | ActKind::Trouble { .. } => {}
        }
    }

    /// What is done with work back in the lathe: what stands as it did keeps its zero and its settings, once a pass in the groove proves
    /// it; anything else is picked up anew.
    fn back_in(&self, back: Option<Back>, swing_mm: Option<f64>, voice: Voice) -> Vec<String> {
        let swings = swing_mm.map(|swing| {
            let [low, high] = self.plan.limits_mm;
            let under = SWING_SHARE * (high - low);
            let id = if swing > under { "rechucked-swings" } else { "rechucked-swings-little" };
            say!(voice, id, swing = voice.length(swing), half = voice.length(swing / 2.0), under = voice.length(under))
        });
        match back {
            Some(back) if back.keeps() => {
                let stands = self.plan.dial.nearest(self.stands).setting;
                let kept = [
                    say!(voice, if back == Back::SameSlot { "back-kept-slot" } else { "back-kept-mark" }),
                    say!(voice, "back-prove", setting = &stands.text, reading = &stands.reading),
                    say!(voice, "back-if-not"),
                ];
                kept.into_iter().chain(swings).collect()
            }
            _ => {
                let first = match back {
                    Some(Back::AnotherPlace) => Some(say!(voice, "back-another-place")),
                    Some(Back::PartedOff) => Some(say!(voice, "back-parted")),
                    _ => None,
                };
                let mut steps: Vec<String> = first.into_iter().chain([swings.unwrap_or_else(|| say!(voice, "rechucked-run-out"))]).collect();
                steps.extend(self.plan.way_back(self.stands, voice));
                steps
            }
        }
    }

    /// The dial was set on to a depth; passes the plan has in between were cut, though nobody marked them.
    fn set_to(&mut self, radial: f64) {
        let last = self.sets.last().copied().unwrap_or(0.0);
        self.sets.extend(self.plan.between(last, radial));
        self.sets.push(radial);
    }

    /// The work was cut: what was known of its size no longer is.
    fn worked(&mut self) {
        self.begun = true;
        self.ran_past = false;
        self.must_touch = false;
        self.read_here.clear();
        self.over.clear();
        self.verdict = None;
        self.finished = false;
        self.proven = false;
        self.closed = false;
        self.stopped = false;
        self.held_off = false;
        self.pick_up.clear();
    }

    fn cut(&mut self, n: u32, radial: f64) {
        self.worked();
        self.set_to(radial);
        self.stands = radial;
        self.roughed = self.basis.iter().any(|p| p.n == n && p.kind == PassKind::Stocking);
        if !self.done.contains(&n) {
            self.done.push(n);
        }
        // The form tool begins above where the stocking tool ended: its passes are not passed by.
        let roughed = self.roughed;
        self.schedule.retain(|p| p.n != n && (p.radial_mm >= radial - SAME_MM || (roughed && p.kind != PassKind::Stocking && p.kind != PassKind::Scratch)));
    }

    /// The pitch diameter as far as it is known: the last reading that can be trusted, less what was cut since, by the tip as found.
    fn size(&self) -> f64 {
        let by_plan = self.plan.size_at(self.stands - self.plan.tip_to_pitch_mm);
        match (self.last_size, &self.known) {
            (Some([stood, size]), _) if (stood - self.stands).abs() < SAME_MM => size,
            (Some(_), Some(known)) => known.size(&self.plan, &self.sets).0,
            _ => by_plan,
        }
    }

    /// How far that may be out, mm: two standard deviations.
    fn size_doubt(&self) -> f64 {
        match (self.read_here.last(), &self.known) {
            (Some([_, doubt]), _) => *doubt,
            (None, Some(known)) => 2.0 * known.size(&self.plan, &self.sets).1,
            (None, None) => 2.0 * self.plan.tip_doubt_mm,
        }
    }

    /// The pitch diameter it is expected to have now, measured or not; of a die or a tap, what those leave.
    fn expected(&self) -> PitchDiameter {
        let [low, high] = self.plan.limits_mm;
        let [value, doubt] = match (self.plan.chased(), self.read_here.last()) {
            (false, _) => [self.size(), self.size_doubt()],
            (true, Some(read)) => *read,
            (true, None) => [self.plan.target_mm, (high - low) / 2.0],
        };
        PitchDiameter { value, doubt }
    }

    /// The new tip found in the groove: it stands where it touched, and what is left is counted from it.
    fn touch(&mut self, radial: f64, bottom_only: bool) {
        let (size, doubt, measured) = (self.size(), self.size_doubt(), self.last_size.is_some_and(|[stood, _]| (stood - self.stands).abs() < SAME_MM));
        self.plan = self.plan.touched(radial, (size, doubt), bottom_only);
        self.known = self.known.as_ref().and_then(|k| k.with_bit(&self.plan));
        self.sets = vec![radial];
        self.last_size = measured.then_some([radial, size]);
        self.stands = radial;
        self.must_touch = false;
        let last = self.plan.dial.shallow(self.plan.depth_of(self.plan.target_mm, self.plan.tip_to_pitch_mm)).radial_mm;
        self.schedule.retain(|p| p.kind != PassKind::Spring);
        self.plan_on(last.max(radial));
        self.pick_up.clear();
    }

    /// Another bit goes on from the size the groove has: the depth it stands at, and the last, are counted from its own tip.
    fn change_bit(&mut self, why: BitChange, flat: Option<f64>, radius: Option<f64>, voice: Voice) {
        let (size, told) = (self.size(), flat.or(radius));
        let changed = self.plan.with_bit(flat, radius);
        let (stands, last) = (changed.depth_of(size, changed.tip_to_pitch_mm).max(0.0), changed.depth_of(changed.target_mm, changed.tip_to_pitch_mm));
        self.plan = changed;
        self.known = self.known.as_ref().and_then(|k| k.with_bit(&self.plan));
        self.sets = vec![stands];
        // The groove is as it was read, whatever cuts it next.
        self.last_size = self.last_size.filter(|[stood, _]| (stood - self.stands).abs() < SAME_MM).map(|[_, size]| [stands, size]);
        self.must_touch = told.is_none() && self.plan.tip.is_some_and(|t| t.alpha_deg > 0.0);
        self.over.clear();
        self.flank = None;
        self.verdict = None;
        self.finished = false;
        self.proven = false;
        self.stands = stands;
        let last = self.plan.dial.shallow(last).radial_mm;
        self.schedule.retain(|p| p.kind == PassKind::Cut);
        self.plan_on(last.max(stands));
        let placed = match why {
            BitChange::Broke => say!(voice, "bit-broke"),
            BitChange::Reground | BitChange::Swapped => say!(voice, "bit-square"),
        };
        let mut steps = vec![placed, say!(voice, "bit-zero")];
        steps.extend(self.plan.pick_up.iter().take(2).cloned());
        steps.push(if self.must_touch {
            say!(voice, "bit-tell-dial")
        } else {
            let at = self.plan.dial.nearest(stands).setting;
            say!(voice, "bit-reads-about", setting = at.text, reading = at.reading)
        });
        self.pick_up = steps;
    }

    /// The mate met something before the threads did: nothing is learned of them, and what was planned stands.
    fn meets(&mut self, by: Touched, voice: Voice) {
        let pitch_diameter_mm = self.expected();
        self.finished = false;
        self.proven = false;
        self.held_off = true;
        self.doubted_fit = None;
        self.verdict = Some(Verdict::new(VerdictKind::Unsure, pitch_diameter_mm, say!(voice, "verdict-touched", by = by.word())));
    }

    fn measure(&mut self, act: &ActKind, voice: Voice) {
        self.held_off = false;
        let sized = act.measured();
        let fit = act.tried();
        let read = sized.and_then(|m| m.read(&self.plan, voice));
        // What the estimate is to take in, should it count.
        let seen = sized.and_then(|m| m.seen(&self.plan, read.as_ref())).or_else(|| fit.map(Observation::Fit));
        if self.roughed {
            let value = read.map_or_else(|| self.size(), |r| r.size);
            self.verdict = Some(Verdict::new(VerdictKind::Unsure, PitchDiameter { value, doubt: 0.0 }, say!(voice, "verdict-stocking")));
            return;
        }
        let verdict = match (sized, fit, &self.known) {
            (Some(m), ..) => {
                let size = read.as_ref().map(|r| r.size);
                let again = self.doubted.take().zip(size).is_some_and(|(was, is)| (was - is).abs() <= AGAIN_MM);
                if let (true, Some(size), Some(known)) = (again, size, &mut self.known) {
                    // What was learned stands, but the tip may be further out than was believed.
                    known.doubt_the_tip(size - known.size(&self.plan, &self.sets).0);
                }
                let verdict =
                    judge_read(&self.plan, m, read.map(|r| r.with(&self.read_here)), &self.sets, Believed { known: self.known.as_ref(), again }, voice);
                self.doubted = size.filter(|_| verdict.as_ref().is_some_and(|v| !v.questions.is_empty()));
                verdict
            }
            (None, Some(fit), known) => {
                let again = self.doubted_fit.take().is_some_and(|was| std::mem::discriminant(&was) == std::mem::discriminant(&fit));
                let verdict = judge_fit_knowing(&self.plan, fit, &self.sets, known.as_ref(), again, voice);
                self.doubted_fit = Some(fit).filter(|_| !verdict.questions.is_empty());
                Some(verdict)
            }
            _ => None,
        };
        let verdict =
            verdict.map(|v| self.before_the_mate(v, sized.is_some(), voice)).map(|v| self.before_the_die(v, voice)).map(|v| asking_first(v, act, voice));
        if let Some(verdict) = &verdict {
            // The last reading has the word: a thread once proven and then read large, or in doubt, is not.
            self.finished = verdict.verdict == VerdictKind::InLimits;
            let counts = verdict.questions.is_empty() && verdict.trouble.is_none();
            self.proven = counts;
            self.pick_up.clear();
            if counts {
                if let Some(Observation::Size { mm, doubt_mm }) = seen {
                    self.read_here.push([mm, doubt_mm]);
                    self.last_size = Some([self.stands, mm]);
                }
                if let (Some(known), Some(seen)) = (&mut self.known, &seen) {
                    known.see(&self.plan, &self.sets, seen);
                }
                if let Some((wire, over)) = sized.and_then(|m| m.wire(&self.plan).zip(m.over())) {
                    self.read_over(wire, over, voice);
                }
            }
            match (verdict.verdict, &verdict.next) {
                (VerdictKind::InLimits | VerdictKind::PastLimit, _) => {
                    self.basis.clear();
                    self.schedule.clear();
                }
                // Also within the doubt of the limit on the safe side, where a small cut settles it.
                (VerdictKind::TakeMore | VerdictKind::Unsure, Some(next)) => self.plan_on(next.last()),
                (VerdictKind::TakeMore, None) => self.plan_on(self.stands),
                // A doubtful reading changes nothing; what was planned may be going past the limit, so
                // it waits for a reading that can be trusted.
                (VerdictKind::Unsure, None) => {}
            }
        }
        self.verdict = verdict;
    }

    /// What a size within its limits leaves open: a mate that was never measured is tried all the same, and a crest known to be over its
    /// limit is dressed first.
    fn before_the_mate(&self, mut verdict: Verdict, sized: bool, voice: Voice) -> Verdict {
        if !sized || verdict.verdict != VerdictKind::InLimits {
            return verdict;
        }
        if self.plan.must_try {
            verdict.verdict = VerdictKind::Unsure;
            verdict.says =
                say!(voice, "verdict-try-unmeasured", side = self.plan.side.word(), doubt = voice.length(self.plan.mate.map_or(0.0, |m| m.doubt_mm)));
        }
        if self.plan.crest_over_mm > 0.0 {
            let over = say!(voice, "verdict-crest-over", side = self.plan.side.word(), over = voice.length(self.plan.crest_over_mm));
            verdict.says = format!("{} {over}", verdict.says);
        }
        verdict
    }

    /// Two sizes of wire in one groove tell the flank angle really cut; what a mate feels of it is room taken.
    fn read_over(&mut self, wire: f64, over: f64, voice: Voice) {
        let apart = |w: &[f64; 2]| (w[0] - wire).abs();
        let other = self.over.iter().filter(|w| apart(w) >= WIRES_APART_MM).max_by(|a, b| apart(a).total_cmp(&apart(b)));
        if let Some(found) = other.and_then(|o| flank_of(&self.plan, *o, [wire, over], voice)) {
            self.plan.hidden_mm[1] = found.feels_mm;
            self.flank = Some(found);
        }
        self.over.push([wire, over]);
    }

    /// Replans from where the dial stands to `last`: the planned depths that still lie between, and
    /// no single step bolder than a finishing cut once those have run out.
    fn plan_on(&mut self, last: f64) {
        let mut n = self.plan.passes.iter().map(|p| p.n).chain(self.done.iter().copied()).max().unwrap_or(0);
        let planned = self.schedule.iter().filter(|p| p.kind == PassKind::Cut).map(|p| p.radial_mm);
        let depths = self.plan.steps_to(planned, self.stands, last);
        self.schedule = depths
            .into_iter()
            .map(|radial_mm| {
                n += 1;
                RunPass { n, kind: PassKind::Measured, radial_mm, side_mm: 0.0, then: None }
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
        self.set_to(radial);
        self.worked();
        let mut all = self.basis.clone();
        let cuts_left = all.iter().any(|p| p.kind == PassKind::Cut && p.radial_mm > radial + SAME_MM);
        all.retain(|p| p.radial_mm > radial + SAME_MM || (p.kind == PassKind::Spring && p.radial_mm >= radial - SAME_MM));
        all.retain(|p| p.kind != PassKind::Spring || cuts_left || !self.done.contains(&p.n));
        self.schedule = all;
    }

    /// Done with, and by what: what proved it, or that nothing did and what it is expected to have come to.
    fn done_with(&self, voice: Voice) -> String {
        match &self.verdict {
            Some(proved) if self.finished => say!(voice, "run-closed-proven", proved = &proved.says),
            _ => {
                let PitchDiameter { value, doubt } = self.expected();
                say!(voice, "run-closed-unproven", size = voice.length(value), doubt = voice.length(doubt))
            }
        }
    }

    fn step(&self, pass: RunPass, voice: Voice) -> NextStep {
        let setting = self.plan.dial.nearest(pass.radial_mm).setting;
        if pass.kind == PassKind::Chased {
            return self.stage(pass, setting, voice);
        }
        let aside = self
            .plan
            .side_dial
            .as_ref()
            .filter(|_| pass.side_mm != 0.0)
            .map(|dial| SideStep { setting: dial.nearest(pass.side_mm.abs()).setting, ahead: pass.side_mm < 0.0 });
        let form_next = self.roughed && pass.kind == PassKind::Cut;
        let id = match pass.kind {
            PassKind::Stocking => "next-stocking",
            PassKind::Cut if form_next => "next-form-tool",
            PassKind::Scratch => "next-scratch",
            PassKind::Cut | PassKind::Measured | PassKind::Chased => "next-set",
            PassKind::Spring => "next-spring",
        };
        let says = |setting: &str| say!(voice, id, setting = setting);
        NextStep { name: name_of(&pass, voice), says: says(&setting.text), aloud: says(&aloud(&setting, voice)), pass, setting, aside }
    }

    fn state(self, last_act: Option<String>, voice: Voice) -> RunState {
        let schedule: Vec<NextStep> = self.schedule.iter().map(|p| self.step(*p, voice)).collect();
        // While a reading is in question nothing deeper is offered.
        let unsure = self.verdict.as_ref().is_some_and(|v| v.verdict == VerdictKind::Unsure && v.next.is_none());
        let held = self.must_touch || unsure && !self.held_off;
        let next = if held || self.scrapped.is_some() { None } else { schedule.first().cloned() };
        let says = match (&self.verdict, &next) {
            _ if self.scrapped.is_some() => say!(voice, "run-scrapped"),
            _ if self.stopped => say!(voice, "run-stopped"),
            _ if self.closed => self.done_with(voice),
            _ if self.must_touch => say!(voice, "run-must-touch"),
            (Some(v), _) => v.says.clone(),
            (None, Some(step)) => step.says.clone(),
            (None, None) if self.plan.passes.last().is_some_and(|p| p.then == Some(Then::Measure)) => {
                say!(voice, "run-measure-now")
            }
            (None, None) => say!(voice, "run-all-cut"),
        };
        let past = self.overran_mm.last().filter(|_| self.ran_past && next.is_some() && !self.closed && !self.stopped);
        let says = past.map_or_else(|| says.clone(), |past| format!("{} {says}", say!(voice, "run-overran", past = voice.about(*past))));
        // A setting is said in words, anything else as it stands.
        let aloud = next.as_ref().filter(|step| step.says == says).map_or_else(|| says.clone(), |step| step.aloud.clone());
        let stands = self.plan.dial.nearest(self.stands).setting;
        let expected_mm = self.expected();
        let touches = self.plan.touches(self.size()).map(|t| t.map(|mm| self.plan.dial.reading_of_radial(mm)));
        RunState {
            begun: self.begun,
            stands_mm: self.stands,
            stands,
            next,
            schedule,
            passes_done: self.done.len(),
            done: self.done,
            expected_mm,
            verdict: self.verdict,
            tip: self.known.as_ref().and_then(|k| k.found(&self.plan, voice)),
            flank: self.flank,
            finished: self.finished && self.scrapped.is_none(),
            may_leave: self.begun && (self.proven || !self.plan.opening_loses),
            closed: self.closed,
            stopped: self.stopped,
            pick_up: self.pick_up,
            ticks: self.ticks,
            sizes: self.sizes,
            overran_mm: self.overran_mm,
            scrapped: self.scrapped,
            must_touch: self.must_touch,
            touches,
            last_act,
            says,
            aloud,
        }
    }
}

/// A trial that stopped tells of size only where nothing met before the threads: asked first where it was not told.
fn asking_first(mut verdict: Verdict, act: &ActKind, voice: Voice) -> Verdict {
    if act.tried().is_some() && act.touched().is_none() && verdict.verdict == VerdictKind::TakeMore {
        verdict.says = say!(voice, "verdict-touched-first", then = &verdict.says);
    }
    verdict
}

/// A pass in a word or two.
pub(crate) fn name_of(pass: &RunPass, voice: Voice) -> String {
    match pass.kind {
        PassKind::Scratch => say!(voice, "pass-scratch"),
        PassKind::Stocking => say!(voice, "pass-stocking", n = pass.n),
        PassKind::Cut => say!(voice, "pass-cut", n = pass.n),
        PassKind::Spring => say!(voice, "pass-spring"),
        PassKind::Measured | PassKind::Chased => say!(voice, "pass-measured"),
    }
}

impl RunState {
    /// Why an act cannot be done as things stand, beyond what the act itself and the plan can say.
    ///
    /// # Errors
    /// The JSON pointer of the field and what would be right.
    pub fn check(&self, act: &ActKind, voice: Voice) -> Result<(), (&'static str, String)> {
        if !self.begun {
            return Self::unbegun(act, voice);
        }
        if let (ActKind::GrooveTouched { reading, .. }, Some([least, most])) = (act, self.touches)
            && !(least..=most).contains(reading)
        {
            return Err(("/reading", say!(voice, "act-no-tip-touches", least = plain_text(least.max(0.0), 3), most = plain_text(most, 3))));
        }
        if matches!(act, ActKind::Finished {}) && !self.may_leave {
            return Err(("/kind", say!(voice, "act-measure-first")));
        }
        Ok(())
    }

    /// The same of a run whose first pass was not cut yet.
    ///
    /// # Errors
    /// The JSON pointer of the field and what would be right.
    pub fn unbegun(act: &ActKind, voice: Voice) -> Result<(), (&'static str, String)> {
        if act.goes_on() { Err(("/kind", say!(voice, "act-nothing-cut"))) } else { Ok(()) }
    }
}
