//! Settling a request into facts: defaults filled in and named, every fault noted.

use super::built;
use super::defaults::{LENGTH_DIAMETERS, SPECIAL_ANGLE_DEG, SPRING_PASSES, TRAINS_LISTED};
use super::lathe::{Lathe, assumed_lathe};
use super::measuring::{self, GaugeFacts};
use super::profile::LatheProfile;
use super::request::{BitRequest, IndicatorRequest, PlanRequest, ThreadRequest};
use super::untold::nobodys;
use super::workpiece::{self, BlankFacts};
use crate::direction::{Hand, Wall};
use crate::faults::{Assumption, Checker, Fault};
use crate::job::pad::{self, SumFacts};
use crate::job::{DepthLaw, Ending, Grinder, OwnRow, ReadBy, Style, Way};
use crate::kit::{Kit, OwnedBit, SOFT, ToolMaterial, tool_material};
use crate::making::MakingFacts;
use crate::original::size_bounds;
use crate::quantity::{Exact, LengthUnit, MM_PER_INCH, Ratio, pitch_of_tpi, real};
use crate::thread::identify::Sample;
use crate::thread::section::LOAD_FACES;
use crate::thread::{Flanks, MateFacts, Side, SpecialForm, SpecialRequest, ThreadFacts, ThreadSpec, callout, flat_of_radius};
use crate::voice::Voice;
use crate::watch::{Code, Level, Watch};
use crate::{say, sentence};
use yoke_gears::Mounted;

/// The train asked for.
#[derive(Debug, Clone, PartialEq)]
pub struct GearFacts {
    /// The train chosen and its gearbox position.
    pub hang: Option<(Mounted, Option<String>)>,
    /// How many to list.
    pub limit: usize,
    /// Largest error, relative; 0 for exact only.
    pub max_error: Option<f64>,
    /// Only this gearbox position.
    pub gearbox: Option<usize>,
    /// Gears that stay on.
    pub keep: Option<Mounted>,
    /// At most this many changed.
    pub max_changes: Option<usize>,
}

/// The bit, settled.
#[derive(Debug, Clone, PartialEq)]
pub struct BitFacts {
    /// Included angle, degrees, when measured.
    pub included_angle_deg: Option<f64>,
    /// Flat, mm, when measured.
    pub tip_flat_mm: Option<f64>,
    /// Radius, mm, when measured.
    pub tip_radius_mm: Option<f64>,
    /// Narrowest and widest the flat could be, mm, when only guessed.
    pub tip_between_mm: Option<[f64; 2]>,
    /// The radii those flats stand for, mm, when the tip is round.
    pub round_between_mm: Option<[f64; 2]>,
    /// From the point to the bit's side toward the shoulder, mm, when known.
    pub body_ahead_mm: Option<f64>,
    /// How far the bit is tilted to the lead, degrees.
    pub tilt_deg: f64,
    /// Working clearance asked for, degrees.
    pub clearance_deg: Option<f64>,
    /// Relief ground on the leading side, degrees.
    pub leading_relief_deg: Option<f64>,
    /// Relief ground on the trailing side, degrees.
    pub trailing_relief_deg: Option<f64>,
    /// Back rake, degrees.
    pub rake_deg: Option<f64>,
    /// Out of square, degrees.
    pub square_deg: Option<f64>,
    /// Tip above centre, mm.
    pub height_mm: Option<f64>,
    /// Radius of the bar, mm.
    pub bar_radius_mm: Option<f64>,
    /// What must be reached past, mm.
    pub reach_past_mm: Option<f64>,
    /// How it is held to the wheel.
    pub grinder: Grinder,
    /// The one of the drawer it is, by name.
    pub owned: Option<String>,
    /// What it is made of, where that is known and in the table.
    pub material: Option<&'static ToolMaterial>,
    /// Reliefs of that one, left and right side with its face up and its point away, degrees.
    pub side_reliefs: [Option<f64>; 2],
    /// Outside, from its point to its left and right side, seen so, mm, where its width is known.
    pub sides_mm: Option<[f64; 2]>,
}

/// The way of working, settled.
#[derive(Debug, Clone, PartialEq)]
pub struct SetupFacts {
    /// Carriage direction asked for.
    pub way: Way,
    /// The wall of the bore asked for.
    pub wall: Option<Wall>,
    /// Ending asked for.
    pub ending: Ending,
    /// Room to stop in, mm, when known.
    pub runout_mm: Option<f64>,
    /// Reaction time, s.
    pub reaction_s: Option<f64>,
    /// Speed chosen, rpm.
    pub spindle_rpm: Option<f64>,
    /// Most the work may turn at, being out of balance, rpm.
    pub balance_rpm: Option<f64>,
    /// Most the user cares to thread at, rpm.
    pub comfort_rpm: Option<f64>,
    /// Backlash of the carriage's drive, mm, when measured.
    pub backlash_mm: Option<f64>,
}

/// The infeed, settled.
#[derive(Debug, Clone, PartialEq)]
pub struct CutFacts {
    /// Style, when chosen.
    pub style: Option<Style>,
    /// Compound angle, degrees from the cross-slide line, when chosen.
    pub compound_angle_deg: Option<f64>,
    /// Pitch diameter aimed at, mm, when chosen.
    pub target_mm: Option<f64>,
    /// Cutting passes, when chosen.
    pub passes: Option<u32>,
    /// Spring passes.
    pub spring_passes: u32,
    /// How the depth is shared out.
    pub depth_law: DepthLaw,
    /// Passes set by hand, in order.
    pub rows: Vec<OwnRow>,
    /// Tip of the stocking tool, mm, when told.
    pub stocking_flat_mm: Option<f64>,
    /// What the depth is read on.
    pub read_by: ReadBy,
    /// The plunger indicator.
    pub indicator: Indicator,
}

/// A plunger indicator, settled.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Indicator {
    /// Its unit.
    pub unit: LengthUnit,
    /// One division, mm.
    pub graduation_mm: f64,
    /// Divisions in a turn of its hand.
    pub divisions: f64,
    /// How far its plunger goes, mm.
    pub travel_mm: f64,
}

/// A job's facts, settled: nothing faulty, every default filled in and named.
#[derive(Debug, Clone, PartialEq)]
pub struct Job {
    /// Thread.
    pub thread: ThreadFacts,
    /// Mate, of a pair.
    pub mate: Option<MateFacts>,
    /// The bench pad.
    pub pad: Vec<SumFacts>,
    /// What makes the thread.
    pub making: MakingFacts,
    /// Blank.
    pub blank: BlankFacts,
    /// Gears.
    pub gears: GearFacts,
    /// Bit.
    pub bit: BitFacts,
    /// Set-up.
    pub setup: SetupFacts,
    /// Cut.
    pub cut: CutFacts,
    /// Gauge.
    pub gauge: GaugeFacts,
    /// What every text of the plan is spoken in.
    pub voice: Voice,
    /// What was assumed.
    pub assumed: Vec<Assumption>,
    /// Overrides worth a word in watch.
    pub overrides: Vec<Watch>,
}

impl Job {
    /// Says that what is kept of something holds fields this version does not know: they are carried through, and not reckoned with.
    pub fn not_known(&mut self, of: &str, fields: &[String]) {
        if !fields.is_empty() {
            let text = say!(self.voice, "fact-not-known", of = of, fields = fields.join(", "));
            self.overrides.push(Watch::new(Level::Warn, Code::NewerFields, "thread", text));
        }
    }
}

/// Settles a request. `stored` is the lathe the request names by id, when the caller keeps lathes.
///
/// # Errors
/// Every fault found, each with its pointer; none is left for a second try.
pub fn settle(request: &PlanRequest, stored: Option<&LatheProfile>, mut faults: Vec<Fault>) -> Result<(Job, Lathe, Kit), Vec<Fault>> {
    let voice = request.voice();
    let mut c = Checker::spoken(voice);
    // What the pad works out stands in the facts as if it had been typed there.
    let mut fed = request.clone();
    let pad = pad::settle(&mut fed, &mut c);
    let request = &fed;
    let lathe = settle_lathe(request, stored, &mut c);
    // From here on no sentence speaks of what this lathe has not.
    let voice = Voice { lathe: lathe.kind(), ..voice };
    c.voice = voice;
    built::check(request, &lathe, &mut c);
    if let Some(Err(wrong)) = request.sample.as_ref().map(|s| Sample::check(s, Vec::new(), voice)) {
        c.faults.extend(wrong.into_iter().map(|f| Fault::new(format!("/sample{}", f.pointer), f.detail)));
    }
    let kit = settle_kit(request, &mut c);
    let (thread, overrides) = settle_thread(request, &mut c).unzip();
    let mate = request.mate.as_ref().map(|asked| measuring::settle_mate(asked, thread.as_ref(), &mut c));
    let making = request.making.settle(thread.as_ref().map(|t| t.spec.side), &mut c);
    let blank = workpiece::settle(request, making.by, (&kit, thread.as_ref()), &mut c);
    let gears = settle_gears(request, &lathe, &mut c);
    let bit = settle_bit(request, &kit, thread.as_ref(), &mut c);
    if request.setup.wall.is_some() && thread.as_ref().is_some_and(|t| t.spec.side == Side::External) {
        c.fault("/setup/wall", sentence!("fact-only-bore-walls-choose-between"));
    }
    let setup = SetupFacts {
        wall: request.setup.wall,
        way: request.setup.way.unwrap_or(Way::Auto),
        ending: request.setup.ending.unwrap_or(Ending::Auto),
        runout_mm: c.sound(request.setup.runout_mm, 0.0, 5000.0, "/setup/runout_mm", "mm"),
        reaction_s: c.sound(request.setup.reaction_s, 0.05, 5.0, "/setup/reaction_s", "s"),
        spindle_rpm: c.sound(request.setup.spindle_rpm, 1.0, 20_000.0, "/setup/spindle_rpm", "rpm"),
        balance_rpm: c.sound(request.setup.balance_rpm, 1.0, 20_000.0, "/setup/balance_rpm", "rpm"),
        comfort_rpm: c.sound(request.setup.comfort_rpm, 1.0, 20_000.0, "/setup/comfort_rpm", "rpm"),
        backlash_mm: c.sound(request.setup.backlash_mm, 0.0, 20.0, "/setup/backlash_mm", "mm"),
    };
    let cut = settle_cut(request, thread.as_ref(), &mut c);
    let gauge = measuring::settle(&request.gauge, thread.as_ref(), request.blank.diameter_mm.is_some(), &mut c);
    if request.gauge.original.is_some() && request.thread.special.as_ref().is_some_and(|s| s.included_angle_deg.is_none()) {
        c.fault("/thread/special/included_angle_deg", sentence!("fact-original-angle"));
    }
    // In a bore the bar goes in past a register at its mouth too.
    let bit = match blank.register.filter(|_| thread.as_ref().is_some_and(|t| t.spec.side == Side::Internal)) {
        Some(register) => BitFacts { reach_past_mm: Some(bit.reach_past_mm.unwrap_or(0.0) + register.depth_mm), ..bit },
        None => bit,
    };
    // To a size with no band a tip as measured is not known well enough to go the whole way unmeasured.
    let bit = if gauge.original.is_some_and(|o| o.allow_mm.is_none()) { bit.read_by_a_glass(thread.as_ref()) } else { bit };
    faults.append(&mut c.faults);
    match thread {
        Some(thread) if faults.is_empty() => Ok((
            Job { thread, mate, pad, making, blank, gears, bit, setup, cut, gauge, voice, assumed: c.assumed, overrides: overrides.unwrap_or_default() },
            lathe,
            kit,
        )),
        _ => Err(faults),
    }
}

fn settle_lathe(request: &PlanRequest, stored: Option<&LatheProfile>, c: &mut Checker) -> Lathe {
    match (&request.lathe, &request.lathe_id, stored) {
        (Some(_), Some(_), _) => {
            c.fault("/lathe_id", sentence!("fact-give-lathe-latheid-not-both"));
            assumed_lathe().check("/lathe", c)
        }
        (Some(profile), None, _) => profile.check("/lathe", c),
        (None, Some(_), Some(profile)) => profile.check("/lathe_id", c),
        (None, Some(id), None) => {
            c.fault("/lathe_id", sentence!("fact-no-lathe-kept-here-give", id = id));
            assumed_lathe().check("/lathe", c)
        }
        (None, None, _) => {
            c.assume("/lathe", sentence!("fact-no-lathe-given-plain-one"));
            nobodys("/lathe", c)
        }
    }
}

fn settle_kit(request: &PlanRequest, c: &mut Checker) -> Kit {
    let mut kit = request.kit.clone().unwrap_or_default();
    let mut place = "/kit/wires_mm";
    if let Some(wires) = &request.gauge.wires_mm {
        kit.wires_mm.clone_from(wires);
        place = "/gauge/wires_mm";
    } else if request.kit.is_none() {
        c.assume("/gauge/wires_mm", sentence!("fact-no-kit-listed-drawer-taken"));
    }
    kit.check_tools(c);
    for (list, place) in [(&mut kit.wires_mm, place), (&mut kit.drills_mm, "/kit/drills_mm")] {
        c.within(list.len() as f64, 0.0, 500.0, place, "entries");
        list.truncate(500);
        for (i, d) in list.iter().enumerate() {
            c.within(*d, 0.05, 100.0, &format!("{place}/{i}"), "mm");
        }
        list.retain(|d| d.is_finite() && *d > 0.0);
    }
    kit
}

/// The thread as called for: a callout read, or the user's own sizes.
fn spec_of(asked: &ThreadRequest, asked_sample: bool, c: &mut Checker) -> Option<ThreadSpec> {
    let Some(text) = &asked.callout else {
        let Some(special) = &asked.special else {
            c.fault("/thread/callout", if asked_sample { sentence!("fact-sample-unknown") } else { sentence!("fact-no-callout") });
            return None;
        };
        return spec_of_special(special, c);
    };
    if asked.special.is_some() {
        c.fault("/thread/special", sentence!("fact-give-callout-special-not-both"));
    }
    callout::read(text)
        .map_err(|fault| {
            let missing = fault.missing.said(c.voice);
            let near = (!fault.near.is_empty()).then(|| say!(c.voice, "callout-and-near", missing = &missing, near = fault.near.join(", ")));
            c.fault("/thread/callout", near.unwrap_or(missing));
        })
        .ok()
}

/// A special's sizes, checked against one another: a form must have a depth and fit its pitch.
fn spec_of_special(asked: &SpecialRequest, c: &mut Checker) -> Option<ThreadSpec> {
    let before = c.faults.len();
    let sized = |c: &mut Checker, value: &Option<Exact>, low: f64, high: f64, field: &str, unit: &str| {
        value.as_ref().map(|v| v.0).filter(|v| c.within(real(v), low, high, &format!("/thread/special/{field}"), unit))
    };
    let major = sized(c, &asked.major_mm, 0.5, 355.0, "major_mm", "mm");
    if asked.major_mm.is_none() {
        c.fault("/thread/special/major_mm", sentence!("fact-special-needs-outside-diameter-2205"));
    }
    let tpi = sized(c, &asked.tpi, 0.25, 400.0, "tpi", "threads per inch");
    let pitch = sized(c, &asked.pitch_mm, 0.05, 100.0, "pitch_mm", "mm");
    if asked.tpi.is_some() == asked.pitch_mm.is_some() {
        c.fault("/thread/special/pitch_mm", sentence!("fact-give-pitchmm-tpi-one-two"));
    }
    let angle = asked.included_angle_deg.unwrap_or(SPECIAL_ANGLE_DEG);
    if angle != 0.0 {
        c.within(angle, 3.0, 120.0, "/thread/special/included_angle_deg", "degrees, or 0 for straight sides");
    }
    let pitch = pitch.or_else(|| tpi.as_ref().map(pitch_of_tpi));
    let (Some(major), Some(pitch), true) = (major, pitch, c.faults.len() == before) else { return None };
    let (d, p) = (real(&major), real(&pitch));
    let flat = |c: &mut Checker, v: Option<f64>, field: &str| c.sound(v, 0.0, 0.49 * p, &format!("/thread/special/{field}"), "mm for this pitch");
    let form = SpecialForm {
        included_angle_deg: angle,
        crest_flat_mm: flat(c, asked.crest_flat_mm, "crest_flat_mm"),
        root_flat_mm: flat(c, asked.root_flat_mm, "root_flat_mm"),
        minor_mm: c.sound(asked.minor_mm, (d - 2.5 * p).max(0.2), d - 0.1 * p, "/thread/special/minor_mm", "mm for this diameter and pitch"),
        tolerance_mm: c.sound(asked.tolerance_mm, 0.001, 0.5 * p, "/thread/special/tolerance_mm", "mm for this pitch"),
    };
    if asked.minor_mm.is_some() && asked.root_flat_mm.is_some() {
        c.fault("/thread/special/root_flat_mm", sentence!("fact-give-minormm-rootflatmm-not-both"));
    }
    if let Err(why) = callout::check_proportion(&major, &pitch, c.voice) {
        c.fault("/thread/special/pitch_mm", why);
    }
    let spec = callout::special(major, pitch, tpi, form);
    // The flanks must meet neither above the crest nor below the root: what is given must close.
    if let Some(why) = spec.does_not_close(c.voice) {
        c.fault("/thread/special/minor_mm", why);
    }
    (c.faults.len() == before).then_some(spec)
}

fn settle_thread(request: &PlanRequest, c: &mut Checker) -> Option<(ThreadFacts, Vec<Watch>)> {
    let asked = &request.thread;
    let length = c.sound(asked.length_mm, 0.5, 5000.0, "/thread/length_mm", "mm");
    let engagement_mm = c.sound(asked.engagement_mm, 0.1, 5000.0, "/thread/engagement_mm", "mm");
    let starts = asked.starts.map(|_| u8::try_from(c.count(asked.starts, (1, 12), 1, "/thread/starts", "starts")).unwrap_or(1));
    let mut spec = spec_of(asked, request.sample.is_some(), c)?;
    let notes = override_callout(asked, starts, &mut spec, c);
    settle_form(asked, &mut spec, c);
    let coating_mm = c.sound(asked.coating_mm, 0.0, real(&spec.pitch) / 20.0, "/thread/coating_mm", "mm a surface for this pitch").unwrap_or(0.0);
    if coating_mm > 0.0 && spec.half_angle_deg() <= 0.0 {
        c.fault("/thread/coating_mm", sentence!("fact-square-threads-flanks-stand-upright"));
    }
    if spec.lead() >= spec.major * Ratio::from_integer(3) {
        c.fault("/thread/starts", sentence!("fact-so-many-starts-climb-over"));
    }
    let length_mm = length.unwrap_or_else(|| {
        let usual = LENGTH_DIAMETERS * real(&spec.major);
        c.assume("/thread/length_mm", sentence!("fact-no-length-given-two-diameters", usual = c.voice.about(usual)));
        usual
    });
    let even = spec.flanks().are_even();
    if even && asked.load_flank.is_some() {
        c.fault("/thread/load_flank", sentence!("fact-both-flanks-thread-alike-leave"));
    } else if !even && asked.load_flank.is_none() {
        c.assume("/thread/load_flank", sentence!("fact-way-flank-carries-load-faces", word = LOAD_FACES.word()));
    }
    Some((ThreadFacts { spec, length_mm, engagement_mm, coating_mm, load_faces: asked.load_flank }, notes))
}

/// What is told beside the callout goes over it, with a note of each.
fn override_callout(asked: &ThreadRequest, starts: Option<u8>, spec: &mut ThreadSpec, c: &mut Checker) -> Vec<Watch> {
    let mut notes = Vec::new();
    let voice = c.voice;
    let mut overrode = |what: &'static str, from: &str, to: &str| {
        notes.push(Watch::new(Level::Note, Code::Override, "thread", say!(voice, "fact-overrode", what = what, from = from, to = to)));
    };
    if let Some(class) = &asked.class {
        match spec.system.family().read_class(class) {
            Ok(class) => {
                if spec.class_given && class != spec.class {
                    overrode("class", &spec.class.to_string(), &class.to_string());
                }
                (spec.class, spec.class_given, spec.side) = (class, true, class.side().unwrap_or(spec.side));
            }
            Err(why) => c.fault("/thread/class", why),
        }
    }
    if let Some(side) = asked.side {
        if let Some(classed) = spec.class.side().filter(|s| spec.class_given && *s != side) {
            let field = if asked.class.is_some() { "/thread/class" } else { "/thread/side" };
            c.fault(field, sentence!("fact-class-but-side-says-change", class = spec.class, word = classed.word(), word2 = side.word()));
        } else if !spec.class_given {
            spec.class = spec.system.family().usual_class(side, real(&spec.major));
        }
        spec.side = side;
    }
    if let Some(hand) = asked.hand {
        if spec.hand_given && hand != spec.hand {
            overrode("hand", spec.hand.word(), hand.word());
        }
        spec.hand = hand;
    }
    if let Some(starts) = starts {
        if spec.starts_given && starts != spec.starts {
            overrode("starts", &spec.starts.to_string(), &starts.to_string());
        }
        spec.starts = starts;
    }
    notes
}

/// Clearance and a rounded root, where the form takes them.
fn settle_form(asked: &ThreadRequest, spec: &mut ThreadSpec, c: &mut Checker) {
    if let Some(clearance) = c.sound(asked.clearance_mm, 0.0, real(&spec.pitch) / 2.0, "/thread/clearance_mm", "mm for this pitch") {
        if spec.system.family().takes_clearance() {
            spec.clearance_mm = Some(clearance);
        } else {
            c.fault("/thread/clearance_mm", sentence!("fact-thread-clearance-standard-leave-out", word = spec.system.family().word()));
        }
    }
    if let Some(rounded) = asked.rounded_root {
        spec.rounded_root = rounded;
    }
    if spec.rounded_root && (!spec.system.family().is_sixty() || spec.side == crate::thread::Side::Internal) {
        if asked.rounded_root.is_some() {
            c.fault("/thread/rounded_root", sentence!("fact-rounded-root-asked-60-screw"));
        }
        spec.rounded_root = false;
    }
}

fn settle_gears(request: &PlanRequest, lathe: &Lathe, c: &mut Checker) -> GearFacts {
    let asked = &request.gears;
    let limit = c.count(asked.limit, (1, 200), TRAINS_LISTED, "/gears/limit", "trains");
    let train = |drivers: &[i64], driven: &[i64], at: &str, c: &mut Checker| Mounted {
        drivers: c.teeth(drivers, &format!("{at}/drivers")),
        driven: c.teeth(driven, &format!("{at}/driven")),
    };
    let hang = asked.hang.as_ref().map(|h| {
        let before = c.faults.len();
        let train = train(&h.drivers, &h.driven, "/gears/hang", c);
        if lathe.gears_fixed {
            if !(train.drivers.is_empty() && train.driven.is_empty()) {
                c.fault("/gears/hang", sentence!("fact-gears-fixed-lever", lathe = lathe.name));
            }
        } else if c.faults.len() == before && (train.drivers.len() != train.driven.len() || !(1..=3).contains(&train.drivers.len())) {
            c.fault("/gears/hang", sentence!("fact-train-many-driven-gears-drivers"));
        }
        position(h.gearbox.as_ref(), lathe, "/gears/hang/gearbox", c);
        (train, h.gearbox.clone())
    });
    let ppm = c.sound(asked.max_error_ppm, 0.0, 50_000.0, "/gears/max_error_ppm", "ppm");
    let max_changes = asked.max_changes.map(|_| c.count(asked.max_changes, (0, 6), 6, "/gears/max_changes", "gears"));
    GearFacts {
        hang,
        limit: usize::try_from(limit).unwrap_or(12),
        max_error: if asked.exact_only.unwrap_or(false) { Some(0.0) } else { ppm.map(|p| p / 1e6) },
        gearbox: position(asked.gearbox.as_ref(), lathe, "/gears/gearbox", c),
        keep: asked.keep.as_ref().map(|k| train(&k.drivers, &k.driven, "/gears/keep", c)),
        max_changes: max_changes.and_then(|n| usize::try_from(n).ok()),
    }
}

/// The gearbox position of this name.
fn position(name: Option<&String>, lathe: &Lathe, at: &str, c: &mut Checker) -> Option<usize> {
    let name = name?;
    let found = lathe.gearbox.iter().position(|p| p.name == *name);
    if found.is_none() {
        let known: Vec<&str> = lathe.gearbox.iter().map(|p| p.name.as_str()).collect();
        c.fault(at, sentence!("fact-not-gearbox-position-choices", name = name, lathe = lathe.name, known = known.join(", ")));
    }
    found
}

/// The bit as told, with what is known of the one picked from the drawer; what is told of this job stands before it.
fn with_owned(asked: &BitRequest, kit: &Kit) -> BitRequest {
    let mut told = asked.clone();
    let Some(name) = &asked.owned else { return told };
    if let Some(insert) = kit.inserts.iter().find(|i| i.name == *name) {
        told.included_angle_deg = told.included_angle_deg.or(Some(insert.included_angle_deg));
        if told.tip_flat_mm.is_none() && told.tip_flat_between_mm.is_none() && told.tip_radius_between_mm.is_none() {
            told.tip_radius_mm = told.tip_radius_mm.or(Some(insert.tip_radius_mm));
        }
        return told;
    }
    // One taken out of the drawer since must not stop the job: the drawer says it is gone.
    let Some(bit) = kit.bit(name) else { return told };
    told.included_angle_deg = told.included_angle_deg.or(Some(bit.included_angle_deg));
    if told.tip_flat_mm.is_none() && told.tip_radius_mm.is_none() && told.tip_flat_between_mm.is_none() && told.tip_radius_between_mm.is_none() {
        told.tip_flat_mm = bit.tip_flat_mm;
        told.tip_radius_mm = bit.tip_radius_mm;
        told.tip_flat_between_mm = bit.tip_flat_between_mm;
    }
    told.rake_deg = told.rake_deg.or(bit.rake_deg);
    told.body_ahead_mm = told.body_ahead_mm.or(bit.body_ahead_mm);
    told.bar_diameter_mm = told.bar_diameter_mm.or(bit.bar_diameter_mm);
    told
}

fn settle_bit(request: &PlanRequest, kit: &Kit, thread: Option<&ThreadFacts>, c: &mut Checker) -> BitFacts {
    let asked = &with_owned(&request.bit, kit);
    let pitch = thread.map_or(100.0, |t| real(&t.spec.pitch));
    let flanks = thread.map_or(Flanks::even(30.0), |t| t.spec.flanks());
    let angle = flanks.included_deg();
    if angle <= 0.0 && asked.tip_radius_mm.is_some() {
        c.fault("/bit/tip_radius_mm", sentence!("fact-square-thread-cut-flat-tip"));
    }
    if asked.tip_flat_mm.is_some() && asked.tip_radius_mm.is_some() {
        c.fault("/bit/tip_radius_mm", sentence!("fact-give-tipflatmm-tipradiusmm-not-both"));
    }
    let between = flats_between(asked, pitch, angle, c);
    let round_between = radii_between(asked, pitch, angle, c);
    let owned = asked.owned.as_ref().and_then(|name| kit.bits.iter().find(|b| b.name == *name));
    if let Some(soft) = owned.filter(|b| b.material == SOFT) {
        c.fault("/bit/owned", sentence!("kit-soft-not-picked", tool = &soft.name));
    }
    let external = thread.is_none_or(|t| t.spec.side == Side::External);
    // A holder tilted to a right-hand lead is tilted away from a left-hand one.
    let climbs = if thread.is_some_and(|t| t.spec.hand == Hand::Left) { -1.0 } else { 1.0 };
    let tilted = owned.and_then(|b| b.tilt_deg).map(|tilt| tilt * climbs);
    let smallest = thread.map_or(1.0, |t| real(&t.spec.major) / 2.0 - 1.5 * pitch).max(0.2);
    BitFacts {
        tip_between_mm: between.or_else(|| {
            // The flats that cut as much off the sharp V.
            round_between.map(|radii| radii.map(|r| flat_of_radius(r, flanks)))
        }),
        round_between_mm: round_between,
        clearance_deg: c.sound(asked.clearance_deg, 1.0, 20.0, "/bit/clearance_deg", "degrees"),
        leading_relief_deg: c.sound(asked.leading_relief_deg, -10.0, 60.0, "/bit/leading_relief_deg", "degrees"),
        trailing_relief_deg: c.sound(asked.trailing_relief_deg, -10.0, 60.0, "/bit/trailing_relief_deg", "degrees"),
        rake_deg: c.sound(asked.rake_deg, 0.0, 35.0, "/bit/rake_deg", "degrees"),
        square_deg: c.sound(asked.square_deg, -10.0, 10.0, "/bit/square_deg", "degrees"),
        tilt_deg: c.sound(asked.tilt_deg, -5.0, 45.0, "/bit/tilt_deg", "degrees toward the lead").or(tilted).unwrap_or(0.0),
        height_mm: c.sound(asked.height_mm, -smallest.min(5.0) / 2.0, smallest.min(5.0) / 2.0, "/bit/height_mm", "mm for this diameter"),
        bar_radius_mm: c.sound(asked.bar_diameter_mm, 1.0, 500.0, "/bit/bar_diameter_mm", "mm").map(|d| d / 2.0),
        reach_past_mm: c.sound(asked.reach_past_mm, 0.0, 2000.0, "/bit/reach_past_mm", "mm"),
        grinder: asked.grinder.unwrap_or_default(),
        owned: asked.owned.clone(),
        material: asked.owned.as_ref().and_then(|name| {
            let insert = kit.inserts.iter().any(|i| i.name == *name).then_some("carbide");
            tool_material(insert.or_else(|| owned.map(|b| b.material.as_str()))?)
        }),
        side_reliefs: owned.map_or([None; 2], OwnedBit::reliefs_deg),
        // In a bore what stands foremost is the bar's nose, not the bit's side.
        sides_mm: owned.filter(|_| external).and_then(OwnedBit::sides_mm),
        included_angle_deg: c.sound(
            asked.included_angle_deg,
            (angle - 5.0).max(0.0),
            angle + 5.0,
            "/bit/included_angle_deg",
            &format!("degrees for a {angle}° thread"),
        ),
        tip_flat_mm: c.sound(asked.tip_flat_mm, 0.0, pitch * 0.6, "/bit/tip_flat_mm", "mm for this pitch"),
        tip_radius_mm: c.sound(asked.tip_radius_mm, 0.0, pitch * 0.4, "/bit/tip_radius_mm", "mm for this pitch"),
        body_ahead_mm: c.sound(asked.body_ahead_mm, 0.0, 100.0, "/bit/body_ahead_mm", "mm"),
    }
}

/// How far a tip read by a glass and a rule, and zeroed on paper by eye, may be out, mm of flat. House value.
const GLASS_MM: f64 = 0.04;

impl BitFacts {
    /// The same with its tip known as well as a glass and a rule read it, where flanks make that matter.
    fn read_by_a_glass(mut self, thread: Option<&ThreadFacts>) -> Self {
        let Some(flanks) = thread.map(|t| t.spec.flanks()).filter(|f| f.trailing > 0.0) else { return self };
        let about = |mm: f64| [(mm - GLASS_MM).max(0.0), mm + GLASS_MM];
        if let Some(flat) = self.tip_flat_mm.take() {
            self.tip_between_mm = Some(about(flat));
        }
        if let Some(radius) = self.tip_radius_mm.take() {
            self.tip_between_mm = Some(about(radius).map(|r| flat_of_radius(r, flanks)));
            self.round_between_mm = Some(about(radius));
        }
        self
    }
}

/// The two flats the tip lies between, where it was not measured.
fn flats_between(asked: &BitRequest, pitch: f64, angle: f64, c: &mut Checker) -> Option<[f64; 2]> {
    asked.tip_flat_between_mm.as_deref().and_then(|list| {
        let at = "/bit/tip_flat_between_mm";
        if asked.tip_flat_mm.is_some() || asked.tip_radius_mm.is_some() {
            c.fault(at, sentence!("fact-give-measured-two-lies-between"));
        }
        if angle <= 0.0 {
            c.fault(at, sentence!("fact-width-square-tool-measured-give"));
        }
        match *list {
            [a, b] if a >= 0.0 && b > a && b <= pitch * 0.6 => Some([a, b]),
            _ => {
                c.fault(at, sentence!("fact-two-flats-wanted-narrower-first", pitch = c.voice.coarse(pitch * 0.6)));
                None
            }
        }
    })
}

/// The two radii a round tip lies between.
fn radii_between(asked: &BitRequest, pitch: f64, angle: f64, c: &mut Checker) -> Option<[f64; 2]> {
    asked.tip_radius_between_mm.as_deref().and_then(|list| {
        let at = "/bit/tip_radius_between_mm";
        if asked.tip_flat_mm.is_some() || asked.tip_radius_mm.is_some() || asked.tip_flat_between_mm.is_some() {
            c.fault(at, sentence!("fact-give-measured-two-lies-between"));
        }
        match *list {
            [a, b] if a >= 0.0 && b > a && b <= pitch * 0.4 && angle > 0.0 => Some([a, b]),
            _ => {
                c.fault(at, sentence!("fact-two-radii-wanted-smaller-first", pitch = c.voice.coarse(pitch * 0.4)));
                None
            }
        }
    })
}

fn settle_cut(request: &PlanRequest, thread: Option<&ThreadFacts>, c: &mut Checker) -> CutFacts {
    let asked = &request.cut;
    let (low, high) = size_bounds(thread);
    if asked.compound_angle_deg.is_some() && asked.style.is_some_and(|s| !s.slants()) {
        c.fault("/cut/compound_angle_deg", sentence!("fact-style-feeds-straight-no-compound"));
    }
    let straight = thread.is_some_and(|t| t.spec.half_angle_deg() <= 0.0);
    if straight && !matches!(asked.style, None | Some(Style::Radial | Style::StockingThenForm)) {
        c.fault("/cut/style", sentence!("fact-square-thread-cut-straight-choose"));
    }
    let pitch = thread.map_or(100.0, |t| real(&t.spec.pitch));
    let mut rows = Vec::new();
    let given = asked.rows.clone().unwrap_or_default();
    for (i, row) in given.iter().enumerate().take(200) {
        let at = format!("/cut/rows/{i}");
        let sound =
            c.within(f64::from(row.n), 1.0, 200.0, &format!("{at}/n"), "passes") & c.within(row.radial_mm, 0.0, 100.0, &format!("{at}/radial_mm"), "mm");
        let before: Option<&OwnRow> = rows.last();
        if before.is_some_and(|b| row.n <= b.n || row.radial_mm <= b.radial_mm) {
            c.fault(format!("{at}/radial_mm"), sentence!("fact-rows-go-order-each-deeper"));
        } else if sound {
            rows.push(*row);
        }
    }
    CutFacts {
        style: asked.style,
        compound_angle_deg: c.sound(asked.compound_angle_deg, 0.0, 60.0, "/cut/compound_angle_deg", "degrees from the cross-slide line"),
        target_mm: c.sound(asked.target_pitch_diameter_mm, low, high, "/cut/target_pitch_diameter_mm", "mm for this thread"),
        passes: asked.passes.map(|_| c.count(asked.passes, (1, 200), 1, "/cut/passes", "passes")).and_then(|n| u32::try_from(n).ok()),
        spring_passes: u32::try_from(c.count(asked.spring_passes, (0, 20), SPRING_PASSES.into(), "/cut/spring_passes", "spring passes"))
            .unwrap_or(SPRING_PASSES),
        depth_law: asked.depth_law.unwrap_or_default(),
        rows,
        stocking_flat_mm: c.sound(asked.stocking_flat_mm, 0.1, pitch * 0.6, "/cut/stocking_flat_mm", "mm for this pitch"),
        read_by: asked.read_by.unwrap_or_default(),
        indicator: settle_indicator(asked.indicator.as_ref(), c),
    }
}

/// The indicator as told; one of 0.01 mm and 10 mm of travel, or 0.001 in and 1 in, where nothing is.
fn settle_indicator(asked: Option<&IndicatorRequest>, c: &mut Checker) -> Indicator {
    let asked = asked.cloned().unwrap_or_default();
    let unit = asked.unit.unwrap_or(LengthUnit::Mm);
    let (scale, division, turn, travel) = if unit == LengthUnit::In { (MM_PER_INCH, 0.001, 0.1, MM_PER_INCH) } else { (1.0, 0.01, 1.0, 10.0) };
    let division = c.sound(asked.graduation, 1e-5, 1.0, "/cut/indicator/graduation", "").unwrap_or(division);
    let turn = c.sound(asked.per_turn, 1e-4, 100.0, "/cut/indicator/per_turn", "").unwrap_or(turn);
    let divisions = turn / division;
    if (divisions - divisions.round()).abs() > 1e-6 || divisions < 1.0 {
        c.fault("/cut/indicator/per_turn", sentence!("fact-one-turn-must-whole-number"));
    }
    Indicator {
        unit,
        graduation_mm: division * scale,
        divisions: divisions.round().max(1.0),
        travel_mm: c.sound(asked.travel_mm, 0.5, 200.0, "/cut/indicator/travel_mm", "mm").unwrap_or(travel),
    }
}
