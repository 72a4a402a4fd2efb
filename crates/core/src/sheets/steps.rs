//! Setting up, step by step, in working order. A step ticked at the bench is ticked with its stamp; when what it hangs on changes,
//! the stamp does, and it asks again. How it is worded, and in which unit, is no part of it.

use crate::direction::Carriage;
use crate::gears::DialRule;
use crate::job::{CarriageStop, Ending, Job, Lathe};
use crate::plan::Plan;
use crate::quantity::{large_first, plain_text};
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
    pub note: Option<&'static str>,
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
    plan: &'a Plan,
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
        let (what, made) = if internal { ("Bore", "bored") } else { ("Blank", "turned") };
        let stock = format!("{what} of {}, {made} {} to {}.", material.name, blank.min_mm.text, blank.max_mm.text);
        let hangs_on: [&dyn Display; 4] = [&internal, &material.code, &figure(&blank.min_mm), &figure(&blank.max_mm)];
        self.put("stock", stock, &hangs_on).how = Some("Against the drawing: length, shoulder, chamfer.".into());
        let far = blank.slenderness.as_ref().map_or_else(String::new, |s| format!(" {}", s.says));
        let (held, holding) = blank.held().map_or(("in the chuck", 0), |h| (h.says.as_str(), h.holding as u8));
        let support = blank.slenderness.as_ref().map_or(0, |s| s.support as u8);
        self.put("held", format!("Held {held}.{far}"), &[&holding, &support]);
        let off = blank.run_out.as_ref().map_or_else(String::new, |r| figure(&r.off_mm));
        let step = self.put("run_out", "Run-out read, and mended.", &[&off]);
        step.how = blank.run_out.as_ref().map(|r| r.does.clone());
        step.note = Some("what the indicator swings");
    }

    fn gears(&mut self) {
        let Some(hung) = &self.plan.gears.hung else { return };
        let (train, motion) = (&hung.train, &self.plan.setup.motion);
        let chain = train.drivers.iter().zip(&train.driven).map(|(a, b)| format!("{a}/{b}")).collect::<Vec<_>>().join(" · ");
        let listed = train.idlers.iter().map(u16::to_string).collect::<Vec<_>>().join(", ");
        let idlers = if listed.is_empty() { listed } else { format!(", idler {listed}") };
        let lever = if train.gearbox == "direct" { String::new() } else { format!(", lever at {}", train.gearbox) };
        self.put("gears", format!("Gears hung: {chain}{idlers}{lever}."), &[&chain, &idlers, &lever]).how =
            Some("A slip of thin paper folded through each mesh; never run dry-tight.".into());
        let way = self.plan.setup.carriage as u8;
        self.put("guard", "Guard back on, everything turned once by hand.", &[&chain, &idlers, &lever, &way]).how = Some(motion.says.clone());
    }

    /// The tool set, the slides' play taken up, the zero touched.
    fn the_tool(&mut self) {
        let (setup, cut, internal) = (&self.plan.setup, &self.plan.cut, self.internal);
        self.put("height", self.voice.fill("Tool at {center} height."), &[&setup.upright]).schools = Some("height");
        let square = if internal { "Bar level, tool square to the bore." } else { "Tool square to the work." };
        self.put("square", square, &[&internal, &(self.plan.thread.included_angle_deg / 2.0)]).schools = Some("square");
        let end = if setup.handle_to_tailstock { "tailstock" } else { "headstock" };
        self.put("slide", cut.scale.clone(), &[&cut.angle_deg, &cut.style.slants(), &setup.handle_to_tailstock]).how =
            cut.style.slants().then(|| format!("Its handle end leans toward the {end}."));
        let back = if internal && !setup.infeed_away {
            "This bore is fed by drawing the slide toward you: take its play up that way."
        } else {
            "Run each slide in the way it will be fed, and stay on that side of its play."
        };
        self.put("backlash", "Backlash taken up.", &[&internal, &setup.infeed_away]).how = Some(back.into());
        self.put("blued", "The work blued.", &[]).how = Some("Layout blue shows the scratch, and where the tool rubs.".into());
        let zeros = if cut.style.slants() {
            format!("Tool touched on the work; cross-slide and {} both at zero.", self.voice.words().compound)
        } else {
            "Tool touched on the work; cross-slide at zero.".to_owned()
        };
        let step = self.put("zero", zeros, &[&cut.style.slants(), &figure(&self.plan.bit.flat_mm)]);
        step.how = Some("Touch on a strip of thin paper, then in by its thickness.".into());
        step.note = Some("what each dial reads");
    }

    /// Where the carriage starts and stops.
    fn stops(&mut self) {
        let setup = &self.plan.setup;
        let chosen = self.plan.blank.endings.iter().find(|e| e.chosen);
        let ends = chosen.map_or_else(String::new, |e| format!(" It ends: {}.", e.says));
        let end = chosen.map_or(0, |e| e.end as u8);
        let (start, stop) = match setup.carriage {
            Carriage::TowardHeadstock => ("at the tailstock end", "at the headstock end"),
            Carriage::AwayFromHeadstock => ("at the headstock end", "at the tailstock end"),
        };
        // One start for the mark, the step and the picture.
        let mark = &self.plan.blank.mark.from_face_mm;
        let (begins, from) = if setup.run_up_mm.value > 0.0 {
            (format!("Start {start}, {} clear of the work", setup.run_up_mm.text), figure(&setup.run_up_mm))
        } else {
            let begins = format!("Start standing in the groove, the point {} from the end face, the play taken up before the carriage moves", mark.text);
            (begins, figure(mark))
        };
        let says = format!("{begins}; stop {stop}, {} after the hand moves.", setup.stopping_mm.text);
        let step = self.put("stops", says, &[&(setup.carriage as u8), &from, &figure(&setup.stopping_mm), &end]);
        step.how = Some(format!("Mark both on the bed or the carriage's dial.{ends}"));
        step.note = Some("where the carriage starts and stops");
        match self.lathe.carriage_stop {
            CarriageStop::Fixed => {
                let nut = self.voice.words().half_nut;
                let says = format!("Carriage stop set beyond the end of the pass, or off the bed: it does not throw the {nut} out.");
                self.put("carriage_stop", says, &[&"fixed"]);
            }
            CarriageStop::Trips => {
                self.put("carriage_stop", "Tripping stop set where the pass ends, and tried.", &[&"trips"]);
            }
            CarriageStop::None => {}
        }
    }

    /// What runs: fluid, speed, dial, a dry run.
    fn running(&mut self) {
        let (setup, dial, fluid) = (&self.plan.setup, &self.plan.gears.dial, &self.plan.bit.fluid);
        self.put("fluid", format!("On the work: {fluid}."), &[fluid]);
        let by_hand = setup.ending == Ending::Hand;
        let speed = if by_hand { "by hand" } else { &setup.speed_rpm.text };
        self.put("speed", format!("Speed {speed}."), &[&by_hand, &figure(&setup.speed_rpm)]).how =
            Some(format!("{} binds, at {}.", large_first(setup.speed_limit.says()), setup.limit_rpm.text));
        if setup.ending == Ending::Dial && dial.rule != DialRule::AnyPosition {
            let hangs_on: [&dyn Display; 3] = [&(dial.rule as u8), &dial.every.unwrap_or(0), &dial.teeth.unwrap_or(0)];
            let step = self.put("dial", "The mark the first pass closes on, chosen and named.", &hangs_on);
            step.how = Some(dial.says.clone());
            step.note = Some("which mark");
        }
        let ways: [&dyn Display; 3] = [&(setup.spindle as u8), &(setup.carriage as u8), &setup.upright];
        self.put("dry_run", "A dry run, tool clear of the work.", &ways).how = Some(setup.says.clone());
    }

    /// The scratch, and what it measures.
    fn scratch(&mut self) {
        let voice = self.plan.voice;
        let (thread, first) = (&self.plan.thread, self.plan.cut.passes.first().map(|p| p.radial_mm));
        self.put("scratch", "A scratch, just seen.", &[&first.unwrap_or(0.0)]).how =
            Some(format!("{} deep; hand on the lever.", first.map_or_else(String::new, |mm| voice.length(mm))));
        let pitch = format!("Pitch checked: {}.", thread.pitch_text);
        let how = crests(self.plan);
        let step = self.put("pitch", pitch, &[&figure(&thread.lead_mm), &thread.starts]);
        step.how = Some(how);
        step.note = Some("what it measures");
    }
}

/// The steps of a plan.
#[must_use]
pub fn steps(plan: &Plan, job: &Job, lathe: &Lathe) -> Vec<Step> {
    let internal = plan.thread.side == Side::Internal;
    let mut draft = Draft { plan, job, lathe, voice: plan.voice, internal, list: Vec::new() };
    draft.put("clean", "Clean and oil: slides, leadscrew, the chuck's register.", &[]);
    draft.the_work();
    draft.gears();
    draft.the_tool();
    draft.stops();
    draft.running();
    draft.scratch();
    draft.list
}

/// How a scratch is measured with a rule: over spaces, not crests.
fn crests(plan: &Plan) -> String {
    let voice = plan.voice;
    let lead = plan.thread.lead_mm.value;
    let spaces = (plan.thread.length_mm.value / lead).floor().clamp(1.0, 10.0);
    format!("A gauge in it, or {} over {} spaces of one scratch.", voice.length(lead * spaces), plain_text(spaces, 0))
}
