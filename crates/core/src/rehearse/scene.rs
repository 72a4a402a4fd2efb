//! The job as the lathe that stands in knows it: its train as hung, its metal, its tool, where a pass begins and where it ends.

use crate::blank::end::MARGIN_MM;
use crate::direction::{Carriage, Spindle};
use crate::job::defaults::{BACKLASH_MM, BIT_WIDTH_MM, COAST_AT_RPM, CRANKED_RPM};
use crate::job::{Chuck, EndKind, Job, Lathe, Reads, Slide};
use crate::plan::Pointed;
use crate::quantity::{Ratio, real};
use crate::thread::Side;
use crate::voice::ScrewGrip;
use yoke_standin::{DialFace, Machine, Surface, Tool, Wall, Work};

/// Seconds a spindle takes to come to speed. House value.
const SPIN_UP_S: f64 = 0.6;
/// How far over the crest a jaw or a dog stands, where that is not told, mm. House value.
const JAW_MM: f64 = 10.0;
/// How far out of the work a hand draws the tool, mm. House value: a turn of many a cross-slide.
pub const CLEAR_MM: f64 = 2.5;
/// How fast a hand turns a spindle, turns a second.
pub const BY_HAND_RPS: f64 = CRANKED_RPM / 60.0;

/// The collar of a slide.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Collar {
    /// Travel a turn of its handwheel, mm.
    pub turn_mm: f64,
    /// Divisions on it.
    pub divisions: f64,
}

impl Collar {
    fn of(slide: &Slide) -> Self {
        let read = if slide.reads == Reads::Diameter { 2.0 } else { 1.0 };
        Self { turn_mm: slide.graduation_mm * slide.divisions / read, divisions: slide.divisions }
    }
}

/// Everything of the job a rehearsal moves.
#[derive(Debug, Clone)]
pub struct Scene {
    /// The lathe as it is set up.
    pub machine: Machine,
    /// The metal: the headstock end of the thread is nought, places count away from it.
    pub work: Work,
    /// The bit.
    pub tool: Tool,
    /// Where a pass begins, the point's place, mm.
    pub start_mm: f64,
    /// Where the hand ends it.
    pub mark_mm: f64,
    /// Room past the mark before the bit meets what stands there, the usual margin left, mm; absent where that is not known.
    pub room_mm: Option<f64>,
    /// Turns a second in the cut, under nought in reverse.
    pub rps: f64,
    /// What the slides are set to, pass by pass, mm: cross-slide, compound.
    pub settings: Vec<[f64; 2]>,
    /// The same as depth.
    pub depths_mm: Vec<f64>,
    /// Whether there is a half-nut that opens.
    pub half_nut: bool,
    /// Whether the thread is withdrawn at its mark and fades there.
    pub withdraws: bool,
    /// The cross-slide's collar.
    pub cross: Collar,
    /// Radius of the crest, mm.
    pub radius_mm: f64,
    /// Whether it is a bore.
    pub internal: bool,
    /// Which way the tool is fed in, seen from above with the operator below: 1 away from the operator.
    pub across: f64,
}

impl Scene {
    /// The job as planned, its passes at the speed of the plan.
    #[must_use]
    pub fn of(plan: &Pointed<'_>, job: &Job, lathe: &Lathe) -> Self {
        let cuts = if plan.setup.carriage == Carriage::TowardHeadstock { -1.0 } else { 1.0 };
        let forward = plan.setup.spindle == Spindle::Forward;
        let machine = machine(plan, job, lathe, cuts, forward);
        let internal = plan.thread.side == Side::Internal;
        let (radius, length) = (plan.blank.used_mm.value / 2.0, plan.thread.length_mm.value);
        let facts = &job.blank;
        let relief = plan.blank.relief.as_ref().map(|x| {
            let wide = facts.relief_width_mm.unwrap_or(x.width_mm.value);
            Surface { from_mm: 0.0, until_mm: wide, depth_mm: (facts.relief_diameter_mm.unwrap_or(x.diameter_mm.value) / 2.0 - radius).abs() }
        });
        let from = relief.map_or(0.0, |r| r.until_mm);
        let surfaces: Vec<Surface> = relief.into_iter().chain([Surface { from_mm: from, until_mm: length, depth_mm: 0.0 }]).collect();
        let gap = plan.blank.beyond.as_ref().and_then(|b| b.gap_mm.as_ref()).map(|g| g.value);
        let wall = if facts.shoulder { Some(0.0) } else { gap.map(|g| -g) };
        let stands = if internal { -radius } else { radius - facts.shoulder_mm.map_or(radius + JAW_MM, |d| d / 2.0) };
        // What stands foremost in a bore is asked for, and never assumed.
        let told = plan.blank.body_ahead_mm.as_ref().map(|a| a.value);
        let [ahead, behind] = [told.unwrap_or(if internal { 0.0 } else { BIT_WIDTH_MM / 2.0 }), BIT_WIDTH_MM / 2.0];
        let mark = length - plan.blank.mark.from_face_mm.value;
        let toward = cuts < 0.0;
        let tool = tool(plan, toward, [ahead, behind]);
        Self {
            start_mm: if toward { length + plan.setup.run_up_mm.value } else { mark - plan.setup.run_up_mm.value },
            mark_mm: if toward { mark } else { length + ahead },
            room_mm: wall.filter(|_| toward && (told.is_some() || !internal)).map(|w| (mark - ahead - w - MARGIN_MM).max(0.0)),
            rps: speed(plan) * if forward { 1.0 } else { -1.0 },
            settings: plan.cut.passes.iter().map(|p| set(plan, p.radial_mm, p.compound_mm)).collect(),
            depths_mm: plan.cut.passes.iter().map(|p| p.radial_mm).collect(),
            withdraws: plan.blank.endings.iter().any(|e| e.chosen && e.end == EndKind::Withdraw),
            half_nut: plan.setup.screw == ScrewGrip::HalfNut,
            work: Work {
                surfaces,
                walls: wall.map(|at_mm| Wall { at_mm, depth_mm: stands }).into_iter().collect(),
                lead_mm: machine.lead_mm().abs(),
                starts: u32::from(plan.thread.starts),
            },
            machine,
            tool,
            cross: Collar::of(&lathe.cross_slide),
            radius_mm: radius,
            internal,
            across: if plan.setup.infeed_away { 1.0 } else { -1.0 },
        }
    }

    /// The same at another speed of the spindle, turns a second.
    #[must_use]
    pub fn at_speed(mut self, rps: f64) -> Self {
        self.rps = rps.abs().copysign(self.rps);
        self
    }

    /// How fast the carriage goes, mm a second.
    #[must_use]
    pub fn goes_mm_s(&self) -> f64 {
        self.machine.lead_mm().abs() * self.rps.abs()
    }

    /// Where the spindle is stopped coming back, the point's place: what it coasts brings it to the start, and no farther, for there may be a
    /// shoulder behind it.
    #[must_use]
    pub fn back_at_mm(&self) -> f64 {
        self.start_mm + self.machine.cuts * self.coasts(self.rps) * self.work.lead_mm
    }

    /// Turns the spindle coasts from a speed, turns a second.
    #[must_use]
    pub fn coasts(&self, rps: f64) -> f64 {
        let [turns, from] = self.machine.coast;
        turns * (rps / from).powi(2)
    }
}

/// Turns a second a plan is cut at.
fn speed(plan: &Pointed<'_>) -> f64 {
    plan.setup.speed_rpm.as_ref().map_or(BY_HAND_RPS, |s| s.value / 60.0)
}

/// What cross-slide and compound are set to for a depth.
fn set(plan: &Pointed<'_>, radial: f64, compound: f64) -> [f64; 2] {
    if plan.cut.style.slants() { [0.0, compound] } else { [radial, 0.0] }
}

fn tool(plan: &Pointed<'_>, toward: bool, body_mm: [f64; 2]) -> Tool {
    let flanks = plan.thread.flanks();
    let [leading, trailing] = plan.bit.ground.as_ref().map_or_else(|| flanks.both(), |g| [g.leading_deg.value, g.trailing_deg.value]);
    let flanks_deg = if toward { [leading, trailing] } else { [trailing, leading] };
    let radius_mm = plan.bit.radius_mm.as_ref().map_or(0.0, |r| r.value);
    Tool { flat_mm: plan.bit.flat_mm.value, radius_mm, flanks_deg, body_mm, springs: 0.0, wears_mm: 0.0 }
}

fn machine(plan: &Pointed<'_>, job: &Job, lathe: &Lathe, cuts: f64, forward: bool) -> Machine {
    let screw_mm = lathe.drive.leadscrew;
    // The train mounted drives, not the lead wanted; with none known the one wanted does.
    let wanted = || plan.gears.required_ratio.parse::<Ratio>().ok();
    let turns = plan.gears.hung.as_ref().map(|h| h.ratio).or_else(wanted).unwrap_or_else(|| Ratio::from_integer(1));
    let away = cuts > 0.0;
    let [turned, from] = lathe.coast;
    Machine {
        screw_mm,
        turns: if away == forward { turns } else { -turns },
        play_mm: job.setup.backlash_mm.unwrap_or(BACKLASH_MM),
        dial: lathe.dial.as_ref().and_then(|dial| {
            let teeth = plan.gears.dial.teeth.or(dial.teeth.first().copied())?;
            Some(DialFace { teeth, marks: plan.gears.dial.marks.or(dial.marks).unwrap_or(teeth) })
        }),
        spin_up_s: if lathe.cranked() { 0.0 } else { SPIN_UP_S },
        coast: [if lathe.cranked() { 0.0 } else { turned }, if from > 0.0 { from } else { COAST_AT_RPM } / 60.0],
        chuck_screwed: lathe.chuck == Chuck::Screwed,
        slide_play_mm: [0.0; 2],
        lean_deg: if plan.cut.style.slants() { plan.cut.angle_deg } else { 0.0 },
        cuts,
    }
}

/// Leadscrew pitches between places the half-nut may close.
#[must_use]
pub fn apart(machine: &Machine) -> i128 {
    let n = *machine.turns.numer();
    if n < 0 { -n } else { n }
}

/// Seconds in which a tooth of the screw comes round.
#[must_use]
pub fn tooth_s(scene: &Scene) -> f64 {
    1.0 / (real(&scene.machine.turns).abs() * scene.rps.abs())
}
