//! Setting up, step by step, in working order. A step ticked at the bench is ticked with its stamp; when what it hangs on changes,
//! the stamp does, and it asks again. How it is worded, and in which unit, is no part of it.

use crate::gears::DialRule;
use crate::job::{CarriageStop, Ending, Job, Lathe};
use crate::plan::Pointed;
use crate::quantity::{large_first, plain_text};
use crate::say;
use crate::thread::Side;
use crate::voice::Voice;
use crate::working::Quantity;
use serde::Serialize;
use std::fmt::Display;

/// One step.
#[derive(Debug, Clone, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Step {
    /// Stable code, by which a tick is remembered.
    pub code: &'static str,
    /// What to do.
    pub says: String,
    /// How, or why.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub how: Option<String>,
    /// Changes when what the step hangs on does.
    pub stamp: String,
    /// What is to be noted down with the tick, where something is: the dial at zero, a stop.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub note: Option<String>,
    /// Schools drawn for it: `height` or `square`.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub schools: Option<&'static str>,
}

/// A stamp of a step on a lathe and what it hangs on: FNV-1a, 64 bits, so that the same gives the same stamp for ever.
fn stamp(code: &str, lathe: &str, hangs_on: &[&dyn Display]) -> String {
    let parts: Vec<String> = [code, lathe].into_iter().map(str::to_owned).chain(hangs_on.iter().map(ToString::to_string)).collect();
    let mut hash: u64 = 0xcbf2_9ce4_8422_2325;
    for byte in parts.join("\u{1f}").bytes() {
        hash = (hash ^ u64::from(byte)).wrapping_mul(0x0100_0000_01b3);
    }
    format!("{hash:016x}")
}

/// The steps being laid out for one plan on one lathe.
struct Draft<'a> {
    plan: &'a Pointed<'a>,
    job: &'a Job,
    lathe: &'a Lathe,
    voice: Voice,
    internal: bool,
    list: Vec<Step>,
}

/// A figure as a step hangs on it, whatever unit it is shown in.
fn figure(q: &Quantity) -> String {
    format!("{:.4}", q.value)
}

impl Draft<'_> {
    /// One more step, and what it hangs on: facts and figures, never how it is worded.
    fn put(&mut self, code: &'static str, says: impl Into<String>, hangs_on: &[&dyn Display]) -> &mut Step {
        let at = self.list.len();
        self.list.push(Step { code, says: says.into(), how: None, stamp: stamp(code, &self.lathe.name, hangs_on), note: None, schools: None });
        &mut self.list[at]
    }

    /// The work: stock, holding, how true it runs.
    fn the_work(&mut self) {
        let (blank, material, internal) = (&self.plan.blank, &self.job.blank.material, self.internal);
        let (voice, side) = (self.voice, if internal { "inside" } else { "outside" });
        let stock = say!(voice, "step-stock", side = side, material = &material.name, min = &blank.min_mm.text, max = &blank.max_mm.text);
        let hangs_on: [&dyn Display; 4] = [&internal, &material.code, &figure(&blank.min_mm), &figure(&blank.max_mm)];
        self.put("stock", stock, &hangs_on).how = Some(say!(self.voice, "step-stock-how"));
        let (held, holding) = blank.held().map_or_else(|| (say!(voice, "held-in-chuck"), 0), |h| (h.says.clone(), h.holding as u8));
        let support = blank.slenderness.as_ref().map_or(0, |s| s.support as u8);
        let held = match &blank.slenderness {
            None => say!(voice, "step-held", held = held),
            Some(s) => say!(voice, "step-held-far", held = held, far = &s.says),
        };
        self.put("held", held, &[&holding, &support]);
        let off = blank.run_out.as_ref().map_or_else(String::new, |r| figure(&r.off_mm));
        let step = self.put("run_out", say!(self.voice, "step-run-out"), &[&off]);
        step.how = blank.run_out.as_ref().map(|r| r.does.clone());
        step.note = Some(say!(voice, "note-indicator-swings"));
    }

    fn gears(&mut self) {
        let Some(hung) = &self.plan.gears.hung else { return };
        let (train, motion) = (&hung.train, &self.plan.setup.motion);
        if train.drivers.is_empty() {
            // Gears that cannot be changed: nothing is hung, no guard is opened.
            let says = hung.steps.first().cloned().unwrap_or_default();
            self.put("gears", says, &[&train.gearbox]).how = hung.steps.get(1).cloned();
            return;
        }
        let chain = train.drivers.iter().zip(&train.driven).map(|(a, b)| format!("{a}/{b}")).collect::<Vec<_>>().join(" · ");
        let listed = train.idlers.iter().map(u16::to_string).collect::<Vec<_>>().join(", ");
        // As they have always been stamped.
        let idlers = if listed.is_empty() { String::new() } else { format!(", idler {listed}") };
        let lever = if train.gearbox == "direct" { String::new() } else { format!(", lever at {}", train.gearbox) };
        let at = if train.gearbox == "direct" { "" } else { &train.gearbox };
        let hung = say!(
            self.voice,
            "step-gears",
            chain = &chain,
            idles = if listed.is_empty() { "no" } else { "yes" },
            idlers = &listed,
            levers = if at.is_empty() { "no" } else { "yes" },
            lever = at
        );
        let paper = say!(self.voice, "step-gears-paper");
        self.put("gears", hung, &[&chain, &idlers, &lever]).how = Some(paper);
        let way = self.plan.setup.carriage as u8;
        self.put("guard", say!(self.voice, "step-guard"), &[&chain, &idlers, &lever, &way]).how = Some(motion.says.clone());
    }

    /// The tool set, the slides' play taken up, the zero touched.
    fn the_tool(&mut self) {
        let (setup, cut, internal) = (&self.plan.setup, &self.plan.cut, self.internal);
        self.put("height", say!(self.voice, "step-height"), &[&setup.upright]).schools = Some("height");
        let voice = self.voice;
        let square = if internal { say!(voice, "step-square-bore") } else { say!(voice, "step-square-work") };
        self.put("square", square, &[&internal, &(self.plan.thread.included_angle_deg / 2.0)]).schools = Some("square");
        let end = if setup.handle_to_tailstock { say!(voice, "step-leans-tailstock") } else { say!(voice, "step-leans-headstock") };
        self.put("slide", cut.scale.clone(), &[&cut.angle_deg, &cut.style.slants(), &setup.handle_to_tailstock]).how = cut.style.slants().then_some(end);
        let back = if internal && !setup.infeed_away { say!(voice, "step-backlash-bore") } else { say!(voice, "step-backlash-how") };
        self.put("backlash", say!(self.voice, "step-backlash"), &[&internal, &setup.infeed_away]).how = Some(back);
        self.put("blued", say!(self.voice, "step-blued"), &[]).how = Some(say!(self.voice, "step-blued-how"));
        let zeros = if cut.style.slants() { say!(voice, "step-zero-both") } else { say!(voice, "step-zero") };
        let step = self.put("zero", zeros, &[&cut.style.slants(), &figure(&self.plan.bit.flat_mm)]);
        step.how = Some(say!(voice, "step-zero-how"));
        step.note = Some(say!(voice, "note-each-dial"));
    }

    /// Where the carriage starts and stops.
    fn stops(&mut self) {
        let setup = &self.plan.setup;
        let chosen = self.plan.blank.endings.iter().find(|e| e.chosen);
        let voice = self.voice;
        let end = chosen.map_or(0, |e| e.end as u8);
        let way = setup.carriage.word();
        // One start for the mark, the step and the picture.
        let mark = &self.plan.blank.mark.from_face_mm;
        let stops = &setup.stopping_mm.text;
        let (says, from) = if setup.run_up_mm.value > 0.0 {
            (say!(voice, "step-stops", way = way, clear = &setup.run_up_mm.text, stops = stops), figure(&setup.run_up_mm))
        } else {
            (say!(voice, "step-stops-in-groove", way = way, from = &mark.text, stops = stops), figure(mark))
        };
        let step = self.put("stops", says, &[&(setup.carriage as u8), &from, &figure(&setup.stopping_mm), &end]);
        step.how = Some(chosen.map_or_else(|| say!(voice, "step-stops-mark"), |e| say!(voice, "step-stops-mark-ends", ends = &e.says)));
        step.note = Some(say!(voice, "note-starts-and-stops"));
        match self.lathe.carriage_stop {
            CarriageStop::Fixed => {
                self.put("carriage_stop", say!(voice, "step-fixed-stop"), &[&"fixed"]);
            }
            CarriageStop::Trips => {
                self.put("carriage_stop", say!(self.voice, "step-tripping-stop"), &[&"trips"]);
            }
            CarriageStop::None => {}
        }
    }

    /// What runs: fluid, speed, dial, a dry run.
    fn running(&mut self) {
        let (setup, dial, fluid) = (&self.plan.setup, &self.plan.gears.dial, &self.plan.bit.fluid);
        self.put("fluid", say!(self.voice, "step-fluid", fluid = &fluid), &[fluid]);
        let by_hand = setup.ending == Ending::Hand;
        let voice = self.voice;
        let says = if by_hand { say!(voice, "step-speed-by-hand") } else { say!(voice, "step-speed", speed = setup.speed_text()) };
        let hangs_on = setup.speed_rpm.as_ref().map_or_else(String::new, figure);
        self.put("speed", says, &[&by_hand, &hangs_on]).how = setup
            .speed_rpm
            .is_some()
            .then(|| say!(voice, "step-speed-binds", what = large_first(&setup.speed_limit.says(voice)), limit = setup.limit_says(voice)));
        if setup.ending == Ending::Dial && dial.rule != DialRule::AnyPosition {
            let hangs_on: [&dyn Display; 3] = [&(dial.rule as u8), &dial.every.unwrap_or(0), &dial.teeth.unwrap_or(0)];
            let step = self.put("dial", say!(self.voice, "step-dial"), &hangs_on);
            step.how = Some(dial.says.clone());
            step.note = Some(say!(voice, "note-which-mark"));
        }
        let ways: [&dyn Display; 3] = [&(setup.spindle as u8), &(setup.carriage as u8), &setup.upright];
        self.put("dry_run", say!(self.voice, "step-dry-run"), &ways).how = Some(setup.says.clone());
    }

    /// The scratch, and what it measures.
    fn scratch(&mut self) {
        let voice = self.plan.voice;
        let (thread, first) = (&self.plan.thread, self.plan.cut.passes.first().map(|p| p.radial_mm));
        self.put("scratch", say!(self.voice, "step-scratch"), &[&first.unwrap_or(0.0)]).how =
            Some(say!(self.voice, "step-scratch-how", deep = first.map_or_else(String::new, |mm| voice.length(mm))));
        let pitch = say!(self.voice, "step-pitch", pitch = &thread.pitch_text);
        let how = crests(self.plan);
        let step = self.put("pitch", pitch, &[&figure(&thread.lead_mm), &thread.starts]);
        step.how = Some(how);
        step.note = Some(say!(voice, "note-measures"));
    }
}

/// The steps of a plan.
#[must_use]
pub fn steps(plan: &Pointed<'_>, job: &Job, lathe: &Lathe) -> Vec<Step> {
    let internal = plan.thread.side == Side::Internal;
    let mut draft = Draft { plan, job, lathe, voice: plan.voice, internal, list: Vec::new() };
    draft.put("clean", say!(plan.voice, "step-clean"), &[]);
    draft.the_work();
    draft.gears();
    draft.the_tool();
    draft.stops();
    draft.running();
    draft.scratch();
    draft.list
}

/// How a scratch is measured with a rule: over spaces, not crests.
fn crests(plan: &Pointed<'_>) -> String {
    let voice = plan.voice;
    let lead = plan.thread.lead_mm.value;
    let spaces = (plan.thread.length_mm.value / lead).floor().clamp(1.0, 10.0);
    say!(plan.voice, "step-pitch-how", length = voice.length(lead * spaces), spaces = plain_text(spaces, 0))
}
