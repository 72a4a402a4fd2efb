//! The cut section of a plan.

use super::dial::{DepthDial, DialSetting, SetDepth, SlideName};
use super::groove::Field;
use super::schedule::{Bounds, PassKind};
use super::starts::{self, Hung, IndexWay};
use super::style::{self, Compared, PlannedPass, StyleQuery, StyleView, TimeView};
use super::{drawing, rules};
use crate::bit::{Tip, TipKnown, rules as bit_rules, stocking_flat};
use crate::blank::slender::{Beam, Cuts};
use crate::cut::{PassRow, Then};
use crate::direction::{Carriage, Direction};
use crate::gears::GearsSection;
use crate::job::{BlankFacts, CutFacts, DepthLaw, Ending, Lathe, ReadBy, Style};
use crate::original::Original;
use crate::outline::Drawing;
use crate::quantity::{SHOWN_MM, plain_text};
use crate::say;
use crate::thread::form::Thread;
use crate::thread::{Fit, RunMate, Side, rules as thread_rules};
use crate::voice::Voice;
use crate::watch::{Code, Level, Watch};
use crate::working::{Num, Quantity, Worksheet, round_to_nine};
use serde::Serialize;

/// A bench figure beside the answer.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct BenchFigure {
    /// The rule of thumb.
    pub rule: &'static str,
    /// What it gives here.
    pub radial_mm: Quantity,
    /// How it compares.
    pub says: String,
}

/// What the whole depth may be, by the tips there may be.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct RadialIf {
    /// With the bluntest.
    pub min: Quantity,
    /// With the sharpest.
    pub max: Quantity,
}

/// How deep, pass by pass.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct CutSection {
    /// Infeed style.
    pub style: Style,
    /// What the styles are compared on, with the groove.
    #[serde(skip)]
    pub(crate) compared: Compared,
    /// How the depth is shared out.
    pub depth_law: DepthLaw,
    /// Why the first cut is lighter than the material allows, when it is.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub lightened: Option<String>,
    /// Tip of the stocking tool, when one roughs.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub stocking_flat_mm: Option<Quantity>,
    /// The compound along the bed, when it steps aside each pass.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub side_dial: Option<DepthDial>,
    /// How long it takes.
    pub time: TimeView,
    /// Compound angle from the cross-slide line, degrees.
    pub angle_deg: f64,
    /// The same as this lathe's own scale shows it, degrees.
    pub scale_deg: f64,
    /// How to set it, in words.
    pub scale: String,
    /// Pitch diameter aimed at.
    pub target_pitch_diameter_mm: Quantity,
    /// Radial infeed from touch: the whole depth, or to where the passes stop to be measured.
    pub radial_mm: Quantity,
    /// What to do where the passes stop, in words.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub stop_says: Option<String>,
    /// What the whole depth may be, where the tip is not known.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub radial_if_mm: Option<RadialIf>,
    /// Compound travel; absent when the cross-slide carries the depth.
    pub compound_mm: Option<Quantity>,
    /// The dial that carries the depth.
    pub dial: DepthDial,
    /// The last setting.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub full_depth: Option<DialSetting>,
    /// Bench figures beside the answer.
    pub bench: Vec<BenchFigure>,
    /// Scratch, cuts, springs.
    pub passes: Vec<PassRow>,
    /// Ways of moving on to the next start, for a thread of several.
    #[serde(skip_serializing_if = "Vec::is_empty")]
    pub starts: Vec<IndexWay>,
    /// What the passes ask the work to stand: the last cut, and the one that takes most.
    #[serde(skip)]
    pub(crate) cuts: Option<Cuts>,
    /// The groove filling; sent with the groove, not with every plan.
    #[serde(skip)]
    pub drawing: Drawing,
}

impl CutSection {
    /// The styles side by side, each with the passes it would take and the largest bite of each edge.
    #[must_use]
    pub fn styles(&self) -> Vec<StyleView> {
        self.compared.styles()
    }

    /// What the depth is read on.
    #[must_use]
    pub const fn read_by(&self) -> ReadBy {
        self.dial.read_by
    }
}

/// Which style, which slide, at what angle.
fn choose(facts: &CutFacts, lathe: &Lathe, thread: &Thread, voice: Voice, watch: &mut Vec<Watch>) -> (Style, f64) {
    let style = facts.style.unwrap_or_else(|| Style::usual(lathe, thread, voice));
    if let Some(why) = style.refused(lathe, thread, voice) {
        watch.push(Watch::new(Level::Danger, Code::CompoundSwing, "cut", say!(voice, "cut-style-refused", style = style.says(voice), why = why)));
    }
    let angle = if style.slants() { facts.compound_angle_deg.unwrap_or_else(|| style.angle(thread.flanks.trailing)) } else { 0.0 };
    if angle > thread.flanks.trailing + 1e-9 {
        watch.push(Watch::new(
            Level::Danger,
            Code::CompoundAngle,
            "cut",
            say!(voice, "cut-leans-past-flank", leans = plain_text(angle, 1), flank = plain_text(thread.flanks.trailing, 1)),
        ));
    }
    (style, angle)
}

/// What the aim may follow, beside the limits.
pub(crate) struct AimSources {
    /// A part to match.
    pub original: Option<Original>,
    /// The mate, where trying it is the only proof and it was not measured.
    pub mate: Option<RunMate>,
    /// The clearance asked for between them, mm.
    pub clearance_mm: Option<f64>,
}

/// Holds a thread to the part it is to match: no band of a table, but as the user allows, or as near as it can be set and read, so that
/// a reading within its own doubt of the aim is clear of both ends by that doubt.
pub(crate) fn like(sheet: &mut Worksheet, original: Original, near_mm: f64, thread: &mut Thread) {
    let aim = as_the_original(sheet, original, thread.spec.side).value;
    let allow = original.allow_mm.unwrap_or(near_mm + original.doubt_mm);
    thread.own.pitch = ((aim - allow).into(), (aim + allow).into());
}

fn as_the_original(sheet: &mut Worksheet, original: Original, side: Side) -> Num {
    let rule = if side == Side::External { &rules::AIM_LIKE_SCREW } else { &rules::AIM_LIKE_BORE };
    sheet.apply(rule, [original.pitch_diameter_mm.into(), original.clearance_mm.into()])
}

/// The size aimed at: as chosen; else a part to match; else where the loosest mate it may be runs free; else the middle of the limits.
pub(crate) fn aim(sheet: &mut Worksheet, facts: &CutFacts, follows: &AimSources, thread: &Thread, watch: &mut Vec<Watch>) -> Num {
    let voice = sheet.voice();
    let (low, high) = thread.own.pitch;
    let screw = thread.spec.side == Side::External;
    let chosen: Num = match (facts.target_mm, follows.original, follows.mate) {
        (Some(chosen), ..) => chosen.into(),
        (None, Some(o), _) => as_the_original(sheet, o, thread.spec.side),
        (None, None, Some(mate)) => {
            let free = Fit::Free.clearance(thread.pitch.value);
            let runs = follows.clearance_mm.unwrap_or_else(|| f64::midpoint(free.least_mm, free.most_mm));
            let rule = if screw { &rules::AIM_BY_FEEL_SCREW } else { &rules::AIM_BY_FEEL_BORE };
            let by_feel = sheet.apply(rule, [mate.pitch_diameter_mm.into(), mate.doubt_mm.into(), runs.into()]);
            // A mate outside its own limits is found out by trying it, not by going outside these.
            return if by_feel.value < low.value {
                low
            } else if by_feel.value > high.value {
                high
            } else {
                by_feel
            };
        }
        (None, None, None) => return sheet.apply(&thread_rules::MIDDLE, [low, high]),
    };
    if chosen.value < low.value - 5e-4 || chosen.value > high.value + 5e-4 {
        watch.push(Watch::new(
            Level::Warn,
            Code::TargetLimits,
            "cut",
            say!(voice, "cut-aim-outside", aim = voice.length(chosen.value), low = voice.length(low.value), high = voice.length(high.value)),
        ));
    }
    chosen
}

/// What the cut needs of everything before it.
pub(crate) struct Inputs<'a> {
    pub lathe: &'a Lathe,
    pub thread: &'a Thread,
    pub tip: &'a Tip,
    pub start: Num,
    pub target: Num,
    pub direction: &'a Direction,
    pub gears: &'a GearsSection,
    /// Speed, rpm, how each pass ends, and run-up and run-out, mm.
    pub speed: Num,
    pub ending: Ending,
    pub run_up: Num,
    /// Thickness of the bar, mm, in a bore.
    pub bar_mm: Option<f64>,
    /// The screw as a beam.
    pub beam: Option<Beam>,
}

/// Setting the dial and looking, each pass, and winding the carriage back by hand, s. Bench practice.
const SETTING_S: f64 = 6.0;
const BACK_BY_HAND_S: f64 = 8.0;
/// A spindle turned by hand, rpm. House value.
const HAND_TURNS_RPM: f64 = 15.0;

/// Time in the cut, and for all of it.
fn time(sheet: &mut Worksheet, before: &Inputs, passes: usize) -> TimeView {
    let by_hand = before.ending == Ending::Hand;
    let speed = if by_hand { HAND_TURNS_RPM.into() } else { before.speed };
    let pass = sheet.apply(&rules::PASS_TIME, [before.thread.length.into(), before.run_up, before.thread.lead, speed]);
    // With the half-nut closed the carriage comes back as fast as it went; chalk marks are waited for, half their round on the average.
    let back = match (before.ending, before.gears.hung.as_ref()) {
        (Ending::Closed | Ending::SameMark | Ending::Hand, _) => pass,
        #[allow(clippy::cast_precision_loss)] // at most twenty-four where it is followed
        (Ending::ChalkMarks, Some(hung)) => (BACK_BY_HAND_S + *hung.ratio.denom() as f64 / 2.0 * 60.0 / speed.value.max(1.0)).into(),
        _ => BACK_BY_HAND_S.into(),
    };
    #[allow(clippy::cast_precision_loss)] // at most a few hundred
    let whole = sheet.apply(&rules::WHOLE_TIME, [(passes as f64).into(), f64::from(before.thread.spec.starts).into(), pass, back, SETTING_S.into()]);
    let voice = sheet.voice();
    let minutes = |s: f64| {
        if s < 100.0 { say!(voice, "time-seconds", s = plain_text(s, 0)) } else { say!(voice, "time-minutes", min = plain_text(s / 60.0, 0)) }
    };
    let said = |n: Num| Quantity { text: minutes(n.value), ..Quantity::plain(n, 0, " s") };
    TimeView { pass: said(pass), whole: said(whole) }
}

/// Share of the depth left before the first measurement, where the form has one tip and it was not told. House value: a flat of a
/// quarter of the pitch in place of a Whitworth radius is an eighth of the depth.
const SHORT_SHARE: f64 = 0.2;

/// What to do where the passes stop.
fn stop_says(rest: &RadialIf, voice: Voice) -> String {
    if rest.max.value - rest.min.value > 1e-9 {
        say!(voice, "cut-measure-now-between", min = &rest.min.text, max = &rest.max.text)
    } else {
        say!(voice, "cut-measure-now", depth = &rest.min.text)
    }
}

/// How deep the passes go.
struct Depth {
    /// With the tip aimed at, all of it.
    aimed: Num,
    /// To the stop: all of it with a tip that is known.
    radial: Num,
    /// Where the tip is not known, what all of it may be.
    radial_if_mm: Option<RadialIf>,
}

fn depth(sheet: &mut Worksheet, thread: &Thread, tip: &Tip, start: Num, target: Num) -> Depth {
    let voice = sheet.voice();
    let infeed = if thread.spec.side == Side::External { &rules::INFEED_EXTERNAL } else { &rules::INFEED_INTERNAL };
    let aimed = sheet.apply(infeed, [start, target, tip.aimed]);
    let radial = match tip.known {
        TipKnown::Told => aimed,
        TipKnown::Range => sheet.apply(infeed, [start, target, tip.h]),
        TipKnown::Nominal => sheet.apply(&rules::WELL_SHORT, [aimed, SHORT_SHARE.into()]),
    };
    let radial_if_mm = (tip.known != TipKnown::Told).then(|| {
        let slope = 2.0 * thread.alpha_deg.to_radians().tan();
        // By the flats it may have: as much as one cuts off more than the other.
        let [least, most] = match tip.known {
            _ if slope <= 0.0 => [aimed.value; 2],
            TipKnown::Nominal => tip.between.map(|flat| aimed.value + (tip.equal_flat.value - flat) / slope),
            _ => [radial.value, radial.value + tip.doubt],
        };
        RadialIf { min: Quantity::length(voice, least.min(most)), max: Quantity::length(voice, most.max(least)) }
    });
    Depth { aimed, radial, radial_if_mm }
}

/// From the pitch line to the stocking tool's tip; of straight sides, as far as the form tool's.
fn rough_tip(sheet: &mut Worksheet, thread: &Thread, stocking: Num, form: Num) -> Num {
    if thread.alpha_deg <= 0.0 {
        return form;
    }
    let off = sheet.apply(&bit_rules::CUT_OFF_FLAT, [stocking, thread.alpha_deg.into()]);
    sheet.apply(&bit_rules::TIP_TO_PITCH, [thread.pitch, thread.alpha_deg.into(), off])
}

/// Works the cut.
pub(crate) fn reckon(sheet: &mut Worksheet, facts: &CutFacts, blank: &BlankFacts, before: &Inputs, watch: &mut Vec<Watch>) -> CutSection {
    let voice = sheet.voice();
    let Inputs { lathe, thread, tip, start, target, direction, gears, .. } = *before;
    let (external, toward) = (thread.spec.side == Side::External, direction.carriage == Carriage::TowardHeadstock);
    let (style, angle) = choose(facts, lathe, thread, voice, watch);
    let Depth { aimed, radial, radial_if_mm } = depth(sheet, thread, tip, start, target);
    let compound = style.slants().then(|| sheet.apply(&rules::COMPOUND, [radial, angle.into()]));
    let (dial, side_dial) = style::dials(facts, lathe, style, angle, voice);
    warn_of_the_tip(thread, tip, target.value, watch, voice);
    warn_of_the_dial(facts, lathe, &dial, compound.unwrap_or(radial), watch, voice);
    let on = style::Stands { blank, lathe, most_n: most_n(sheet, before), step_mm: dial.half_mm() };
    let (bounds, slender) = style::bounds(sheet, &on, aimed, style);
    let roughs = style == Style::StockingThenForm;
    // Worked on the job's own sheet only where it is followed; beside the other styles its size alone is wanted.
    let proposed = if roughs { stocking_flat(sheet, thread, tip) } else { stocking_flat(&mut Worksheet::default(), thread, tip) };
    let stocking = facts.stocking_flat_mm.map_or(proposed, Num::from);
    let ask = StyleQuery { facts, thread, tip, radial, aimed, bounds, stocking: stocking.value };
    let laid = style::lay(sheet, &ask, style);
    if laid.is_empty() {
        watch.push(nothing_to_cut(radial.value, voice));
    }
    let rough = if roughs { rough_tip(sheet, thread, stocking, tip.h) } else { tip.h };
    let passes = set(sheet, before, &laid, &Setting { style, angle, dial: &dial, side_dial: side_dial.as_ref(), radial, stocking: stocking.value, rough });
    warn_of_the_passes(facts, &passes, &bounds, watch, voice);
    let largest = passes.iter().map(|p| p.chip_mm2).fold(0.0, f64::max);
    let lightened = lightened(facts, largest, &bounds, slender, voice);
    let cuts =
        cuts(sheet, blank, &passes, style, tip, thread).map(|c| Cuts { bolder: (bounds.unslender_mm2 / largest.max(1e-6)).clamp(1.0, MOST_BOLDER), ..c });
    let drawing = drawing::groove(&passes, tip.equal_flat.value, thread.walls_deg, angle, radial.value, (external, toward), voice);
    let (scale_deg, scale) = scale(lathe, angle, style, voice);
    CutSection {
        style,
        compared: Compared::of(&ask, &on, voice, (style, toward)),
        depth_law: facts.depth_law,
        lightened,
        stocking_flat_mm: roughs.then(|| Quantity::length(voice, stocking)),
        side_dial,
        time: time(sheet, before, passes.len()),
        angle_deg: angle,
        scale_deg,
        scale,
        target_pitch_diameter_mm: Quantity::length(voice, target),
        radial_mm: Quantity::length(voice, radial),
        stop_says: radial_if_mm.as_ref().map(|rest| stop_says(rest, voice)),
        radial_if_mm,
        compound_mm: compound.map(|v| Quantity::length(voice, v)),
        full_depth: passes.last().and_then(|p| p.dial.first().cloned()),
        dial,
        bench: bench(thread, aimed.value, voice),
        passes,
        starts: next_starts(lathe, gears, thread, voice),
        cuts,
        drawing,
    }
}

/// The blank leaves nothing to cut.
fn nothing_to_cut(radial: f64, voice: Voice) -> Watch {
    Watch::new(Level::Danger, Code::BlankSize, "cut", say!(voice, "cut-nothing", infeed = voice.length(radial)))
}

/// The most force a slender part or bar stands, N, with which of the two it is.
fn most_n(sheet: &mut Worksheet, before: &Inputs) -> Option<(f64, &'static str)> {
    match (before.beam, before.bar_mm) {
        (Some(beam), _) => beam.stands_n(sheet, style::GIVES_MM).map(|n| (n, "work")),
        (None, Some(bar)) => Some((style::bar_stands_n(bar, before.thread.length), "bar")),
        (None, None) => None,
    }
}

/// Held better, passes of a slender part grow to this many times at most: the depth of the first bounds them too.
const MOST_BOLDER: f64 = 6.0;

/// Forces of the last cut and of the largest, each by its own chip.
fn cuts(sheet: &mut Worksheet, blank: &BlankFacts, passes: &[PassRow], style: Style, tip: &Tip, thread: &Thread) -> Option<Cuts> {
    let cutting = || passes.iter().filter(|p| p.chip_mm2 > 0.0 && matches!(p.kind, PassKind::Cut | PassKind::Stocking));
    let flanks = if matches!(style, Style::Radial | Style::StockingThenForm) { 2.0 } else { 1.0 };
    let mut force = |pass: &PassRow| {
        let edge = sheet.apply(&rules::EDGE_IN_CUT, [tip.equal_flat, flanks.into(), pass.radial_mm.into(), thread.alpha_deg.into()]);
        let pressure = sheet.apply(&rules::PRESSURE, [blank.material.kc1_n_mm2.into(), pass.chip_mm2.into(), edge]);
        sheet.apply(&rules::CUTTING_FORCE, [pressure, pass.chip_mm2.into()])
    };
    let last = cutting().next_back()?;
    let most = cutting().max_by(|a, b| a.chip_mm2.total_cmp(&b.chip_mm2))?;
    let before = passes.iter().filter(|p| p.n < most.n).map(|p| p.radial_mm).fold(0.0, f64::max);
    Some(Cuts { last_n: force(last), most_n: force(most), most_step: most.radial_mm - before, bolder: 1.0 })
}

/// Why the passes are lighter than the material and the lathe would have them, or not as light as they should be: the least cut that still
/// cuts wins over the area.
fn lightened(facts: &CutFacts, largest: f64, bounds: &Bounds, slender: Option<&str>, voice: Voice) -> Option<String> {
    let own = facts.passes.is_some() || !facts.rows.is_empty();
    let [took, most] = [largest, bounds.area_mm2].map(|a| voice.area(a));
    let over = largest > bounds.area_mm2 * 1.3;
    match slender {
        _ if own => None,
        Some(what) if over => Some(say!(voice, "cut-slender-over", what = what, most = &most, gives = voice.length(style::GIVES_MM))),
        Some(what) => Some(say!(voice, "cut-lightened", what = what, gives = voice.length(style::GIVES_MM))),
        None if over => Some(say!(voice, "cut-over-the-most", most = &most, took = &took)),
        None => None,
    }
}

/// A number of passes, or rows, of the user's own are obeyed; what is out of the usual about them is said.
fn warn_of_the_passes(facts: &CutFacts, passes: &[PassRow], bounds: &Bounds, watch: &mut Vec<Watch>, voice: Voice) {
    if facts.passes.is_none() && facts.rows.is_empty() {
        return;
    }
    let cutting: Vec<&PassRow> = passes.iter().filter(|p| matches!(p.kind, PassKind::Cut | PassKind::Stocking)).collect();
    let most = cutting.iter().map(|p| p.chip_mm2).fold(0.0, f64::max);
    let steps = || passes.windows(2).filter(|w| w[1].kind == w[0].kind && w[1].kind == PassKind::Cut).map(|w| w[1].radial_mm - w[0].radial_mm);
    let least = steps().fold(f64::INFINITY, f64::min);
    let mut said = Vec::new();
    if most > bounds.area_mm2 * 1.1 {
        said.push(say!(voice, "cut-told-area", most = voice.area(most), stands = voice.area(bounds.area_mm2)));
    }
    let first = cutting.first().map_or(0.0, |p| p.radial_mm);
    if first > bounds.first_mm * 1.1 {
        said.push(say!(voice, "cut-told-first", first = voice.length(first), bold = voice.length(bounds.first_mm)));
    }
    if least < bounds.least_mm * 0.5 {
        let (shows, under) = (if voice.shows(least) { "yes" } else { "no" }, voice.length(bounds.least_mm));
        said.push(say!(voice, "cut-told-least", shows = shows, least = voice.length(least), under = under));
    }
    if !said.is_empty() {
        // A number told is for the whole depth; to a stop there are fewer.
        let told = facts.passes.map_or(cutting.len(), |n| n as usize);
        let said = said.join("; ");
        let text = if told == cutting.len() {
            say!(voice, "cut-passes-told", n = told, said = said)
        } else {
            say!(voice, "cut-passes-told-to-stop", n = told, first = cutting.len(), said = said)
        };
        watch.push(Watch::new(Level::Warn, Code::Passes, "cut", text));
    }
}

/// What passes are set on.
struct Setting<'a> {
    style: Style,
    angle: f64,
    dial: &'a DepthDial,
    side_dial: Option<&'a DepthDial>,
    radial: Num,
    stocking: f64,
    /// Tip to pitch line of the stocking tool.
    rough: Num,
}

/// Sets each pass on its dial, the residue carried, and works what it takes and leaves.
fn set(sheet: &mut Worksheet, before: &Inputs, laid: &[PlannedPass], on: &Setting<'_>) -> Vec<PassRow> {
    let voice = sheet.voice();
    let Inputs { thread, tip, start, .. } = *before;
    let Setting { style, angle, dial, side_dial, radial, stocking, rough } = *on;
    // Never past the aim: every setting is held to the last one's shallow side.
    let last = dial.shallow(radial.value);
    let deepest_asked = laid.iter().map(|p| p.asked.value).fold(0.0, f64::max);
    let reach = 2.0 * radial.value.abs() + 1.0;
    let form = style::edge(tip.equal_flat.value, tip.radius, thread.flanks.both(), reach);
    let roughing = style::edge(stocking, None, thread.flanks.both(), reach);
    let external = thread.spec.side == Side::External;
    let mut field = Field::uncut(thread.pitch.value);
    let mut passes = Vec::with_capacity(laid.len());
    let sets: Vec<SetDepth> = laid
        .iter()
        .map(|pass| {
            let set = dial.nearest(pass.asked.value);
            if set.radial_mm > last.radial_mm || pass.asked.value >= deepest_asked { last.clone() } else { set }
        })
        .collect();
    let depths: Vec<f64> = sets.iter().map(|s| s.radial_mm).collect();
    // Every step is rounded down, so that each pass still covers the one before on both flanks.
    let sides = side_dial.map_or_else(|| vec![0.0; laid.len()], |d| style::zigzag(&depths, thread.flanks, |mm| d.shallow(mm).radial_mm));
    for ((pass, set), side) in laid.iter().zip(sets).zip(sides) {
        let h = if pass.kind == PassKind::Stocking { rough } else { tip.h };
        let size = sheet.apply(if external { &rules::SIZE_EXTERNAL } else { &rules::SIZE_INTERNAL }, [start, set.radial_mm.into(), h]);
        let tool = if pass.kind == PassKind::Stocking { &roughing } else { &form };
        let chip = field.cut(tool, (last.radial_mm - set.radial_mm) * angle.to_radians().tan() + side, set.radial_mm);
        let mut settings = vec![set.setting];
        settings.extend(side_dial.map(|d| d.nearest(side.abs()).setting));
        passes.push(PassRow {
            n: pass.n,
            kind: pass.kind,
            asked_radial_mm: Quantity::length(voice, pass.asked),
            radial_mm: round_to_nine(set.radial_mm),
            compound_mm: if style.slants() { round_to_nine(set.travel_mm) } else { 0.0 },
            side_mm: round_to_nine(side),
            chip_mm2: (chip.area() * 1e4).round() / 1e4,
            then: None,
            pitch_diameter_mm: Quantity::length(voice, size),
            over_wires_mm: None,
            dial: settings,
        });
    }
    // What the tip takes is not known: the last of them is where it is measured.
    if let Some(last) = passes.last_mut().filter(|_| tip.known != TipKnown::Told) {
        last.then = Some(Then::Measure);
    }
    passes
}

/// The slide's end of travel, and what cannot be read as was asked.
fn warn_of_the_dial(facts: &CutFacts, lathe: &Lathe, dial: &DepthDial, travel: Num, watch: &mut Vec<Watch>, voice: Voice) {
    let slide = if dial.slide == SlideName::Compound { &lathe.compound } else { &lathe.cross_slide };
    let name = if dial.slide == SlideName::Compound { "compound" } else { "cross" };
    if let Some(has) = slide.travel_mm.filter(|has| travel.value > *has) {
        let text = say!(voice, "cut-travel-short", slide = name, has = voice.length(has), need = voice.length(travel.value));
        watch.push(Watch::new(Level::Danger, Code::CompoundTravel, "cut", text));
    }
    match facts.read_by {
        ReadBy::Indicator if travel.value > facts.indicator.travel_mm => {
            let text = say!(voice, "cut-indicator-short", goes = voice.length(facts.indicator.travel_mm), need = voice.length(travel.value));
            watch.push(Watch::new(Level::Warn, Code::IndicatorTravel, "cut", text));
        }
        ReadBy::Readout if dial.read_by != ReadBy::Readout => {
            let text = say!(voice, "cut-no-readout", slide = name);
            watch.push(Watch::new(Level::Warn, Code::Readout, "cut", text));
        }
        _ => {}
    }
}

/// The ways on to the next start with the train hung.
fn next_starts(lathe: &Lathe, gears: &GearsSection, thread: &Thread, voice: Voice) -> Vec<IndexWay> {
    let Some(hung) = &gears.hung else { return Vec::new() };
    let hung = Hung { gears: (&hung.train.drivers, &hung.train.driven), ratio: hung.ratio };
    starts::ways(lathe, &hung, thread.spec.starts, thread.pitch.value, voice)
}

/// Whether the form comes full too soon, or the root goes too deep.
fn warn_of_the_tip(thread: &Thread, tip: &Tip, target: f64, watch: &mut Vec<Watch>, voice: Voice) {
    if tip.known != TipKnown::Told {
        return;
    }
    let external = thread.spec.side == Side::External;
    let root = if external { target - 2.0 * tip.h.value } else { target + 2.0 * tip.h.value };
    let rounding = thread.spec.system.family().rounding_mm();
    let must_clear = if external { thread.own.minor.1 } else { thread.own.major.0 };
    if let Some(limit) = must_clear {
        let short = if external { root - limit.value } else { limit.value - root };
        if short / 2.0 > rounding {
            watch.push(Watch::new(Level::Warn, Code::TipTooWide, "cut", say!(voice, "cut-tip-too-wide", short = voice.length(short / 2.0))));
        }
    }
    // A round tip must leave the flank straight as far as the mate's crest, less what that is rounded itself.
    let mate_crest = if external { thread.mate.minor.0 } else { thread.mate.major.1 };
    if let (Some(radius), Some(crest)) = (tip.radius, mate_crest) {
        let half_sine = 1.0 - thread.alpha_deg.to_radians().sin();
        let (round, rounded) = (2.0 * radius * half_sine, 2.0 * thread.radius.map_or(0.0, |r| r.value) * half_sine);
        let straight_to = if external { root + round - rounded } else { root - round + rounded };
        let short = if external { straight_to - crest.value } else { crest.value - straight_to };
        if short / 2.0 > rounding {
            let text = say!(voice, "cut-tip-rides", radius = voice.length(radius), past = voice.length(short / 2.0));
            watch.push(Watch::new(Level::Warn, Code::TipTooWide, "cut", text));
        }
    }
    // Deeper than the form's own root weakens the core: its limit where it has one, else the basic root
    // flat of P/8 at the least pitch diameter.
    let sixty = thread.spec.system.family().is_sixty();
    let deepest = match (external, thread.own.root(thread.spec.side)) {
        (true, (Some(least), _)) => Some(least.value),
        (true, (None, _)) if sixty => Some(thread.own.pitch.0.value - 2.0 * 0.324_759_526 * thread.pitch.value),
        (false, (_, Some(most))) => Some(most.value),
        _ => None,
    };
    let past = deepest.map_or(0.0, |d| if external { d - root } else { root - d });
    if past / 2.0 > SHOWN_MM {
        let cure = if sixty { "stone" } else { "grind" };
        watch.push(Watch::new(
            Level::Warn,
            Code::RootPastMinor,
            "cut",
            say!(voice, "cut-root-past", past = voice.length(past / 2.0), cure = cure, side = if external { "outside" } else { "inside" }),
        ));
    }
}

/// The angle to set on this lathe's own scale, degrees, and in words.
fn scale(lathe: &Lathe, angle: f64, style: Style, voice: Voice) -> (f64, String) {
    let shown = |deg: f64| if lathe.compound.scale_from_bed { 90.0 - deg } else { deg };
    if style == Style::Alternating {
        let along = shown(90.0);
        return (along, say!(voice, "cut-lay-along", angle = plain_text(along, 0)));
    }
    if !style.slants() {
        return (shown(0.0), say!(voice, "cut-straight-in"));
    }
    let from = if lathe.compound.scale_from_bed { "bed" } else { "cross" };
    (shown(angle), say!(voice, "cut-set-compound", angle = plain_text(shown(angle), 1), from = from))
}

/// Rules of thumb beside the answer: the depths handbooks give for the form.
fn bench(thread: &Thread, radial: f64, voice: Voice) -> Vec<BenchFigure> {
    let family = thread.spec.system.family();
    let pitch = thread.pitch.value;
    // Forms that stand clear of the mate at the root go that much deeper than their basic depth, on radius.
    let clearance = match thread.spec.side {
        _ if !family.stands_clear() => 0.0,
        Side::External => thread.own.minor.1.map_or(0.0, |m| (thread.basic.minor.value - m.value) / 2.0),
        Side::Internal => thread.own.major.0.map_or(0.0, |m| (m.value - thread.major.value) / 2.0),
    };
    family
        .handbook_depths(pitch)
        .iter()
        .map(|(rule, factor)| {
            let x = factor * pitch + clearance;
            BenchFigure {
                rule,
                radial_mm: Quantity::length(voice, x),
                says: say!(voice, "cut-bench-off", by = voice.length((x - radial).abs()), way = if x > radial { "deeper" } else { "shallower" }),
            }
        })
        .collect()
}
