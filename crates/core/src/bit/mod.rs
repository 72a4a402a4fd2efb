//! Bit: the tip really ground, and what it will cut.

mod bar;
mod drawer;
mod drawing;
mod grind;
mod ground;
mod insert;
mod judged;
mod relief_tool;
pub mod rules;
mod steps;

use crate::job::Grinder;
use crate::say;
use crate::voice::Voice;
pub(crate) use bar::STEEL_GPA;
pub use drawer::{Drawer, ToolKind, ToolView};
pub use drawing::{BitSheet, sheet};
pub use grind::{Grind, SideGrind, Stocking};
pub(crate) use grind::{STOCKING_LEAVES_MM, ahead_mm, stocking_flat};
pub(crate) use ground::felt;
pub use ground::{AsGround, Edges, flanks};
pub use relief_tool::ReliefTool;
pub(crate) use relief_tool::{Blade, Groove, blade_for};

use crate::direction::Direction;
use crate::faults::Assumption;
use crate::job::{BitFacts, BlankFacts, Kit};
use crate::quantity::degrees_text;
use crate::thread::form::Thread;
use crate::thread::{Side, rules as thread_rules};
use crate::watch::{Code, Level, Watch};
use crate::working::{Num, Quantity, Worksheet};
use serde::Serialize;

/// The tip the form allows.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct TipAllowed {
    /// Narrowest flat.
    pub min: Quantity,
    /// Widest flat.
    pub max: Quantity,
    /// Flat to aim at.
    pub aim: Quantity,
}

/// The bit.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct BitSection {
    /// Relief on the leading side, seen from the front.
    pub leading_relief_deg: Quantity,
    /// Relief on the trailing side, seen from the front.
    pub trailing_relief_deg: Quantity,
    /// Flat allowed; on a rounded form, the flat that reaches as deep.
    pub tip_flat_mm: TipAllowed,
    /// Radius allowed, on a rounded form.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub tip_radius_mm: Option<TipAllowed>,
    /// The tip of the handbooks, for Acme.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub handbook_flat_mm: Option<Quantity>,
    /// Tip to pitch line with the tip used; of one not told, the least it may be.
    pub tip_to_pitch_mm: Quantity,
    /// How much more it may be, radial.
    pub tip_doubt_mm: Quantity,
    /// The flat reckoned with; of a round tip, the flat that cuts as deep.
    pub flat_mm: Quantity,
    /// The radius reckoned with, of a round tip.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub radius_mm: Option<Quantity>,
    /// Whether the tip was measured, or the aim is assumed.
    pub measured: bool,
    /// The bit as it is said: its angle and its tip.
    pub says: String,
    /// Its angle alone, as it is said.
    pub shape: String,
    /// Its tip alone, as it is said.
    pub tip: String,
    /// Working clearance, degrees.
    pub clearance_deg: f64,
    /// What to run on the work.
    pub fluid: String,
    /// What to grind.
    pub grind: Grind,
    /// How it is held to the wheel.
    pub grinder: Grinder,
    /// The drawer held against this thread.
    pub drawer: Drawer,
    /// The tool for the turned relief, where there is one.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub relief_tool: Option<ReliefTool>,
    /// What the bit as ground will cut, where anything of it was told.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub ground: Option<AsGround>,
}

/// The tip and its reliefs, before the rest is known.
pub(crate) struct TipView {
    allowed: [Num; 3],
    radius: Option<[Num; 3]>,
    handbook: Option<Num>,
    /// Radius reckoned with, of a round tip.
    rounded: Option<Num>,
    measured: bool,
    shape_says: String,
    tip_says: String,
    clearance: f64,
    reliefs: grind::Reliefs,
}

/// How well a tip is known, and so where its passes stop to be measured.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub(crate) enum TipKnown {
    /// As measured: the passes go the whole way.
    Told,
    /// It lies in a range: they stop where the bluntest would be at size.
    Range,
    /// Not told, of a form that has one tip: they stop well short of where that one would be at size.
    Nominal,
}

/// What later stations need of the tip.
#[derive(Debug, Clone, Copy)]
pub(crate) struct Tip {
    /// Tip to pitch line; of a tip not told, or told as a range, that of the bluntest it may be, which is at size soonest.
    pub h: Num,
    /// Flat that cuts off as much.
    pub equal_flat: Num,
    /// Tip to pitch line of the tip told, or aimed at: what the whole depth is laid out by.
    pub aimed: Num,
    /// The same of the sharpest it may be, which goes deepest: what relief, chamfer and wall are judged by; and its flat.
    pub sharpest: (Num, Num),
    /// What it is known by.
    pub known: TipKnown,
    /// How far the infeed could be out for want of measuring the tip, mm radial.
    pub doubt: f64,
    /// Narrowest and widest the flat could be, mm; both as it was measured.
    pub between: [f64; 2],
    /// Its radius, mm, when it is round.
    pub radius: Option<f64>,
}

/// Radii a rounded root may have: least, most, and the middle of them. UNR starts lower than the ISO root of a
/// strong bolt; both end where the radius would reach past the root's limit.
fn rounded_root(sheet: &mut Worksheet, thread: &Thread) -> [Num; 3] {
    let [least, most] = [thread.spec.system.family().least_root_radius(), 0.144].map(|share| sheet.apply(&rules::SHARE_RADIUS, [thread.pitch, share.into()]));
    [least, most, sheet.apply(&thread_rules::MIDDLE, [least, most])]
}

/// The radius that the form's own standard gives its root, where the crests are flat.
fn standard_root(sheet: &mut Worksheet, thread: &Thread) -> Option<Num> {
    thread.spec.system.family().root_radius().map(|share| sheet.apply(&rules::SHARE_RADIUS, [thread.pitch, share.into()]))
}

/// How much of the sharp V this radius cuts off.
fn cut_off_radius(sheet: &mut Worksheet, radius: Num, thread: &Thread) -> Num {
    thread.flanks.apply(sheet, [&rules::CUT_OFF_RADIUS, &rules::CUT_OFF_RADIUS_BETWEEN], &[radius])
}

/// The radius that cuts off as much of the sharp V as this flat.
fn equal_radius(sheet: &mut Worksheet, flat: Num, thread: &Thread) -> Num {
    thread.flanks.apply(sheet, [&rules::RADIUS_OF_FLAT, &rules::RADIUS_OF_FLAT_BETWEEN], &[flat])
}

/// The flat that cuts off as much of the V as this radius.
fn equal_flat(sheet: &mut Worksheet, radius: Num, thread: &Thread) -> Num {
    let cut_off = cut_off_radius(sheet, radius, thread);
    sheet.apply(&rules::EQUAL_FLAT, [cut_off, thread.alpha_deg.into()])
}

/// The flats the form allows: least, most, and the one to aim at.
fn flats(sheet: &mut Worksheet, thread: &Thread, target: Num) -> [Num; 3] {
    let (pitch, alpha) = (thread.pitch, Num::from(thread.alpha_deg));
    let side = thread.spec.side;
    if thread.spec.rounded_root {
        return rounded_root(sheet, thread).map(|radius| equal_flat(sheet, radius, thread));
    }
    if thread.spec.system.family().is_sixty() {
        let eighth = sheet.apply(&rules::EIGHTH, [pitch]);
        return match side {
            Side::External => [eighth, sheet.apply(&rules::QUARTER, [pitch]), eighth],
            Side::Internal => [0.0.into(), eighth, eighth],
        };
    }
    if thread.alpha_deg <= 0.0 {
        let half = sheet.apply(&rules::HALF_PITCH, [pitch]);
        let most = sheet.apply(&rules::SQUARE_MOST, [pitch]);
        return [half, most, sheet.apply(&thread_rules::MIDDLE, [half, most])];
    }
    // At the size aimed at, the root the tip leaves must clear the mate and not go past its own limit.
    let (low, high) = thread.own.pitch;
    let band = high.value - low.value;
    let (near, far) = match (side, thread.own.root(side)) {
        (Side::External, (far, near)) => {
            let near = near.unwrap_or(thread.basic.minor);
            (near, far.unwrap_or_else(|| (near.value - band).into()))
        }
        (Side::Internal, (near, far)) => {
            let near = near.unwrap_or(thread.major);
            (near, far.unwrap_or_else(|| (near.value + band).into()))
        }
    };
    let mut flat = |root: Num| {
        let (large, small) = if side == Side::External { (target, root) } else { (root, target) };
        sheet.apply(&rules::FLAT_TO_ROOT, [pitch, large, small, alpha])
    };
    let open = side == Side::Internal && thread.own.root(side).1.is_none() && thread.radius.is_none();
    let most = flat(near);
    if open {
        // No root is too deep: a hair under the widest.
        return [0.0.into(), most, sheet.apply(&rules::FLAT_OPEN, [most])];
    }
    let least = flat(far);
    let aim = match thread.radius.or_else(|| standard_root(sheet, thread)) {
        Some(radius) => equal_flat(sheet, radius, thread),
        None => sheet.apply(&thread_rules::MIDDLE, [least, most]),
    };
    [least, most, aim]
}

/// What an untold bit of a round form may be, as shares of the flat its radius is worth. House values.
const NOMINAL_SPAN: [f64; 2] = [0.75, 1.25];
/// Flat of an untold bit for a form that sets no least, as a share of the widest. House value.
const LEAST_SHARE: f64 = 0.8;

/// The tip reckoned with.
struct Used {
    /// How much of the sharp V it cuts off.
    cut_off: Num,
    /// Its radius, of a round one.
    radius: Option<Num>,
    /// Whether it was measured.
    measured: bool,
    says: String,
}

/// The tip as measured; else the bluntest of those it may be, so that a sharper one stops short and never past the size.
fn used(sheet: &mut Worksheet, facts: &BitFacts, thread: &Thread, bluntest: Num, round: Option<Num>) -> Used {
    let voice = sheet.voice();
    let text = |v: f64, shape: &str| say!(voice, "bit-tip-of", size = voice.coarse(v), shape = shape);
    let by_radius = |sheet: &mut Worksheet, radius: Num, measured: bool| Used {
        cut_off: cut_off_radius(sheet, radius, thread),
        radius: Some(radius),
        measured,
        says: text(radius.value, "radius"),
    };
    let by_flat = |sheet: &mut Worksheet, flat: Num, measured: bool, says: String| Used {
        cut_off: sheet.apply(&rules::CUT_OFF_FLAT, [flat, thread.alpha_deg.into()]),
        radius: None,
        measured,
        says,
    };
    if let Some([_, wide]) = facts.round_between_mm {
        return by_radius(sheet, wide.into(), false);
    }
    if let Some([_, wide]) = facts.tip_between_mm {
        return by_flat(sheet, wide.into(), false, text(wide, "flat"));
    }
    match (facts.tip_flat_mm, facts.tip_radius_mm, round) {
        (_, Some(radius), _) => by_radius(sheet, radius.into(), true),
        (Some(flat), None, _) => by_flat(sheet, flat.into(), true, text(flat, "flat")),
        // A form with round crest and root has one tip, and no range of them.
        (None, None, Some(radius)) if thread.radius.is_some() => by_radius(sheet, radius, false),
        (None, None, Some(_)) => {
            let radius = equal_radius(sheet, bluntest, thread);
            by_radius(sheet, radius, false)
        }
        (None, None, None) => by_flat(sheet, bluntest, false, text(bluntest.value, "flat")),
    }
}

/// Half angle from which a form is cut with a V bit, degrees. House value.
pub(crate) const V_FROM_DEG: f64 = 20.0;

/// The tips one that was not told may have.
fn range_says([narrow, wide]: [f64; 2], round: bool, thread: &Thread, voice: Voice) -> String {
    if !round {
        return say!(voice, "bit-tip-of", size = voice.coarsely_between(narrow, wide), shape = "flat");
    }
    let mut apart = Worksheet::default();
    let [least, most] = [narrow, wide].map(|flat| equal_radius(&mut apart, flat.into(), thread).value);
    say!(voice, "bit-tip-of", size = voice.coarsely_between(least, most), shape = "radius")
}

/// What is said of a tip that was not measured.
fn untold(known: TipKnown, facts: &BitFacts, says: &str, doubt: f64, assumed: &mut Vec<Assumption>, watch: &mut Vec<Watch>, voice: Voice) {
    if known == TipKnown::Told {
        return;
    }
    let text = match (known, facts.tip_between_mm) {
        (TipKnown::Range, None) => say!(voice, "bit-tip-allowed", says = &says),
        (TipKnown::Nominal, _) => say!(voice, "bit-tip-taken", says = &says),
        _ => say!(voice, "bit-tip-widest", says = &says),
    };
    assumed.push(Assumption { pointer: "/bit/tip_flat_mm".into(), text });
    if known == TipKnown::Range && facts.tip_between_mm.is_none() {
        let text = say!(voice, "bit-tip-costs", says = &says, costs = voice.length(doubt));
        watch.push(Watch::new(Level::Note, Code::AssumedDefault, "bit", text));
    }
}

/// What a bit so ground does not give of this form.
fn warn_of_the_form(facts: &BitFacts, thread: &Thread, angle: f64, watch: &mut Vec<Watch>, voice: Voice) {
    if thread.spec.rounded_root && facts.tip_flat_mm.is_some() {
        watch.push(Watch::new(Level::Warn, Code::TipNotRound, "bit", say!(voice, "bit-root-rounded")));
    }
    if thread.radius.is_some() {
        watch.push(Watch::new(Level::Note, Code::FormRadius, "bit", say!(voice, "bit-form-round", form = thread.spec.system.family().word())));
    }
    if thread.alpha_deg <= 0.0 && angle > 0.5 {
        let text = say!(voice, "bit-square-sloping", angle = degrees_text(angle));
        watch.push(Watch::new(Level::Warn, Code::BitAngle, "bit", text));
    }
}

/// The narrowest and widest flat a tip that was not told may have.
fn untold_span(known: TipKnown, thread: &Thread, equal_flat: f64, [least, bluntest]: [f64; 2]) -> [f64; 2] {
    match known {
        // A round form has one tip, and one not told is not known to have it.
        TipKnown::Nominal if thread.alpha_deg > 0.0 => NOMINAL_SPAN.map(|k| k * equal_flat),
        // Where the form sets no least, a bit ground for it is not far under the widest.
        _ if least <= 0.0 && thread.alpha_deg < V_FROM_DEG => [LEAST_SHARE * bluntest, bluntest],
        _ => [least, bluntest],
    }
}

/// The tip a die or a tap has: the form's own.
pub(crate) fn of_the_form(sheet: &mut Worksheet, thread: &Thread, target: Num) -> Tip {
    let (pitch, alpha) = (thread.pitch, Num::from(thread.alpha_deg));
    let round = thread.radius.or_else(|| standard_root(sheet, thread));
    let [.., aim] = flats(sheet, thread, target);
    let (h, flat) = if thread.alpha_deg <= 0.0 {
        (sheet.apply(&thread_rules::HALF_OF, [thread.basic.pitch, thread.basic.minor]), aim)
    } else {
        let cut_off = match round {
            Some(radius) => cut_off_radius(sheet, radius, thread),
            None => sheet.apply(&rules::CUT_OFF_FLAT, [aim, alpha]),
        };
        (sheet.apply(&rules::TIP_TO_PITCH, [pitch, alpha, cut_off]), sheet.apply(&rules::EQUAL_FLAT, [cut_off, alpha]))
    };
    Tip { h, equal_flat: flat, aimed: h, sharpest: (h, flat), known: TipKnown::Nominal, doubt: 0.0, between: [flat.value; 2], radius: round.map(|r| r.value) }
}

/// Works the tip: as ground, else the form's aim.
pub(crate) fn tip(
    sheet: &mut Worksheet,
    facts: &BitFacts,
    clearance: f64,
    (thread, bored, target): (&Thread, Option<f64>, Num),
    assumed: &mut Vec<Assumption>,
    watch: &mut Vec<Watch>,
) -> (Tip, TipView) {
    let voice = sheet.voice();
    let (pitch, alpha) = (thread.pitch, Num::from(thread.alpha_deg));
    let straight = thread.alpha_deg <= 0.0;
    let [min, max, aim] = flats(sheet, thread, target);
    // An untold bit for a nut may be one ground for a screw.
    let bluntest = if thread.spec.system.family().is_sixty() && !thread.spec.rounded_root { sheet.apply(&rules::QUARTER, [pitch]) } else { max };
    // A form, or a root, that is round wants a round tip.
    let round = thread.radius.or_else(|| standard_root(sheet, thread)).or_else(|| thread.spec.rounded_root.then(|| rounded_root(sheet, thread)[2]));
    let (h, equal_flat, measured, tip_says, rounded) = if straight {
        let flat = facts.tip_flat_mm.map_or(aim, Num::from);
        let h = sheet.apply(&thread_rules::HALF_OF, [thread.basic.pitch, thread.basic.minor]);
        (h, flat, facts.tip_flat_mm.is_some(), say!(voice, "bit-tip-of", size = voice.coarse(flat.value), shape = "wide"), None)
    } else {
        let Used { cut_off, radius, measured, says } = used(sheet, facts, thread, bluntest, round);
        let h = sheet.apply(&rules::TIP_TO_PITCH, [pitch, alpha, cut_off]);
        (h, sheet.apply(&rules::EQUAL_FLAT, [cut_off, alpha]), measured, says, radius)
    };
    let known = match (measured, facts.tip_between_mm) {
        (true, _) => TipKnown::Told,
        (false, None) if straight || thread.radius.is_some() => TipKnown::Nominal,
        (false, _) => TipKnown::Range,
    };
    let [narrow, wide] = facts.tip_between_mm.unwrap_or_else(|| untold_span(known, thread, equal_flat.value, [min.value, bluntest.value]));
    let doubt = if measured || straight { 0.0 } else { (wide - narrow) / (2.0 * thread.alpha_deg.to_radians().tan()) };
    // One range of tips, wherever it is spoken of.
    let tip_says = if known == TipKnown::Range && facts.tip_between_mm.is_none() && facts.round_between_mm.is_none() {
        range_says([narrow, wide], rounded.is_some(), thread, voice)
    } else {
        tip_says
    };
    untold(known, facts, &tip_says, doubt, assumed, watch, voice);
    let (aimed, sharpest) = reaches(sheet, facts, thread, (h, equal_flat), (known == TipKnown::Range).then_some((aim, narrow)));
    let angle = facts.included_angle_deg.unwrap_or_else(|| thread.flanks.included_deg());
    warn_of_the_form(facts, thread, angle, watch, voice);
    let clearance = facts.clearance_deg.unwrap_or(clearance);
    let reliefs = grind::reliefs(sheet, thread, clearance, sharpest.0, facts, bored);
    let shape = match facts.included_angle_deg {
        None if !thread.flanks.are_even() => thread.flanks.says(voice),
        _ if angle == 0.0 => say!(voice, "bit-straight-sides"),
        _ => format!("{}°", degrees_text(angle)),
    };
    let known_by = match (measured, known, facts.tip_between_mm) {
        (true, ..) => "measured",
        (_, _, Some(_)) => "guessed",
        (_, TipKnown::Range, None) => "range",
        _ => "aimed",
    };
    let said = TipView {
        allowed: [min, max, aim],
        radius: round.map(|radius| {
            let mut of = |flat: Num| equal_radius(sheet, flat, thread);
            [of(min), of(max), radius]
        }),
        rounded,
        handbook: thread.spec.system.family().handbook_tip().then(|| sheet.apply(&rules::HANDBOOK, [pitch])),
        measured,
        shape_says: shape,
        tip_says: say!(voice, "bit-tip-as-said", tip = &tip_says, known = known_by),
        clearance,
        reliefs,
    };
    let between = if measured || straight { [equal_flat.value; 2] } else { [narrow, wide] };
    (Tip { h, equal_flat, aimed, sharpest, known, doubt, between, radius: rounded.map(|r| r.value) }, said)
}

/// How far the tip aimed at reaches past the pitch line, and the sharpest there may be with its flat; `open`, the flat aimed at and the
/// narrowest, where only a range is known.
fn reaches(sheet: &mut Worksheet, facts: &BitFacts, thread: &Thread, (h, equal_flat): (Num, Num), open: Option<(Num, f64)>) -> (Num, (Num, Num)) {
    let Some((aim, narrow)) = open else { return (h, (h, equal_flat)) };
    let (pitch, alpha) = (thread.pitch, Num::from(thread.alpha_deg));
    let mut with = |flat: Num| {
        let cut_off = sheet.apply(&rules::CUT_OFF_FLAT, [flat, alpha]);
        sheet.apply(&rules::TIP_TO_PITCH, [pitch, alpha, cut_off])
    };
    // A V bit comes sharp to the bench; one for a form with flats is ground to a width.
    let sharp = if facts.tip_between_mm.is_none() && thread.alpha_deg >= V_FROM_DEG { 0.0 } else { narrow };
    let aimed = if facts.tip_between_mm.is_some() { h } else { with(aim) };
    (aimed, (with(sharp.into()), sharp.into()))
}

/// What the bit's section needs of everything before it.
pub(crate) struct Inputs<'a> {
    pub thread: &'a Thread,
    pub tip: &'a Tip,
    pub blank: &'a BlankFacts,
    pub direction: &'a Direction,
    pub kit: &'a Kit,
    /// Room past the end of the thread, mm.
    pub beyond: f64,
    /// Radial depth of the cut.
    pub depth: Num,
    /// Radii of the groove's root and of the crest, mm.
    pub from_to: (f64, f64),
    /// Spindle speed, rev/min.
    pub speed_rpm: f64,
    /// Force of the last cut, N.
    pub force: Option<Num>,
    /// Whether a stocking tool roughs.
    pub stocks: bool,
    /// Whether passes end by reversing.
    pub reverses: bool,
    /// The turned relief, where there is one.
    pub groove: Option<(Groove, Blade)>,
}

/// The root this tip leaves, mm.
pub(crate) fn root(sheet: &mut Worksheet, thread: &Thread, target: Num, h: Num) -> Num {
    sheet.apply(if thread.spec.side == Side::External { &rules::ROOT_EXTERNAL } else { &rules::ROOT_INTERNAL }, [target, h])
}

/// A bit off centre toward the side the work comes from loses relief under its nose, by the angle it stands round the work: past all of it
/// the heel rubs and nothing is cut.
fn heel(facts: &BitFacts, (root, crest): (f64, f64), (upright, external): (bool, bool), nose_deg: f64, watch: &mut Vec<Watch>, voice: Voice) {
    // The work comes down on a bit the right way up: outside one too high meets it with its heel, in a bore one too low.
    let toward = facts.height_mm.unwrap_or(0.0) * if upright == external { 1.0 } else { -1.0 };
    let radius = if external { root } else { crest };
    if toward <= 0.0 || toward >= radius {
        return;
    }
    let center = voice.words().center;
    let loses = (toward / radius).asin().to_degrees();
    if loses >= nose_deg {
        let text = say!(voice, "bit-off-center", off = voice.length(toward), center = &center, loses = voice.angle(loses), nose = voice.angle(nose_deg));
        watch.push(Watch::new(Level::Danger, Code::HeelRubs, "bit", text));
    }
}

/// Works the bit: what to grind, what will go in, and what the real one cuts.
pub(crate) fn reckon(sheet: &mut Worksheet, facts: &BitFacts, said: TipView, before: &Inputs<'_>, watch: &mut Vec<Watch>) -> BitSection {
    let voice = sheet.voice();
    let Inputs { thread, tip, blank, direction, kit, beyond, depth, from_to, speed_rpm, force, stocks, reverses, ref groove } = *before;
    let (leading, trailing) = said.reliefs.sides;
    // What of each relief the thread's own rise takes: all but the working clearance, unless the least was taken instead.
    let external = thread.spec.side == Side::External;
    let [left, right] = facts.side_reliefs;
    let lead_left = grind::left_leads(direction);
    let own = if lead_left { [left, right] } else { [right, left] };
    let reliefs = [facts.leading_relief_deg.or(own[0]), facts.trailing_relief_deg.or(own[1])];
    let rises = (leading.value - said.clearance, if external { facts.tilt_deg - thread.lead_angle_major.value } else { trailing.value - said.clearance });
    let before = grind::Inputs { facts, thread, tip, blank, direction, depth, from_to, reliefs, rises, stocks };
    let grind = grind::reckon(sheet, &before, said.reliefs, said.clearance, watch);
    heel(facts, before.from_to, (direction.upright, external), grind.nose_deg.value, watch, voice);
    let of = |[min, max, aim]: [Num; 3]| TipAllowed { min: Quantity::length(voice, min), max: Quantity::length(voice, max), aim: Quantity::length(voice, aim) };
    BitSection {
        leading_relief_deg: Quantity::by_eye(leading),
        trailing_relief_deg: Quantity::by_eye(trailing),
        tip_flat_mm: of(said.allowed),
        tip_radius_mm: said.radius.map(of),
        handbook_flat_mm: said.handbook.map(|v| Quantity::length(voice, v)),
        tip_to_pitch_mm: Quantity::length(voice, tip.h),
        tip_doubt_mm: Quantity::length(voice, tip.doubt),
        flat_mm: Quantity::length(voice, tip.equal_flat),
        radius_mm: said.rounded.map(|v| Quantity::length(voice, v)),
        measured: said.measured,
        says: say!(voice, "bit-as-said", shape = &said.shape_says, tip = &said.tip_says),
        shape: said.shape_says,
        tip: said.tip_says,
        clearance_deg: said.clearance,
        fluid: blank.material.fluid.clone(),
        grinder: facts.grinder,
        drawer: drawer::reckon(
            sheet,
            &judged::Inputs {
                facts,
                kit,
                thread,
                flats: [said.allowed[0].value, said.allowed[1].value],
                clearance: said.clearance,
                beyond,
                speed: std::f64::consts::PI * 2.0 * from_to.0.max(from_to.1) * speed_rpm / 1000.0,
                force,
                reverses,
            },
            watch,
        ),
        relief_tool: groove.as_ref().map(|g| relief_tool::reckon(sheet, thread, g, facts.bar_radius_mm, said.clearance)),
        ground: ground::reckon(
            sheet,
            &ground::Inputs { facts, thread, tip, reliefs, needed: said.reliefs.sides, rises, from_to, upright: direction.upright },
            watch,
        ),
        grind,
    }
}
