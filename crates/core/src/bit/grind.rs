//! What to grind: the reliefs of each side from this thread's own lead angle, the nose that follows from them, how they are
//! set on a rest, and the width of blank they use.

use super::{Tip, rules};
use crate::direction::{Carriage, Direction};
use crate::job::{BitFacts, BlankFacts};
use crate::quantity::{large_first, plain_text};
use crate::say;
use crate::thread::Side;
use crate::thread::form::Thread;
use crate::voice::Voice;
use crate::watch::{Code, Level, Watch};
use crate::working::{Num, Quantity, Worksheet, round_to_nine};
use serde::Serialize;

/// Relief under which a side as good as rubs, degrees. House value.
pub(super) const LEAST_DEG: f64 = 2.0;
/// End relief of a flat-ended form tool, degrees: 8 to 10 by practice.
const END_DEG: f64 = 9.0;
/// Pitch from which a trapezoidal or square groove is roughed with a narrower tool first, mm. House value.
const STOCKING_FROM_MM: f64 = 3.0;
/// What the stocking tool leaves on each flank, and at the bottom, mm. House value.
pub(crate) const STOCKING_LEAVES_MM: f64 = 0.15;

/// One side of the bit.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct SideGrind {
    /// `leading` or `trailing`.
    pub side: &'static str,
    /// The way it faces on the lathe.
    pub faces: String,
    /// Whether that is toward the headstock.
    #[serde(skip)]
    pub to_headstock: bool,
    /// Its side with the bit held face up, point away from you.
    pub held: &'static str,
    /// Relief as seen from the front.
    pub front_deg: Quantity,
    /// The same with the flank along the wheel: what a tilted rest is set to and a protractor square to the edge reads.
    pub rest_deg: Quantity,
    /// The same by the bench formula, in a bore, which takes the rise as at the edge all the way down.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub bench_deg: Option<Quantity>,
    /// What of it the thread's own rise takes, degrees; under nought where the thread falls away.
    pub rise_deg: f64,
    /// What was really ground, degrees, where told.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub ground_deg: Option<f64>,
}

/// The tool that roughs a wide groove before the form tool.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Stocking {
    /// Its tip.
    pub flat_mm: Quantity,
    /// What it leaves on each flank.
    pub leaves_mm: Quantity,
    /// In words.
    pub says: String,
}

/// What to grind.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Grind {
    /// The side toward which the carriage goes, and the other.
    pub sides: [SideGrind; 2],
    /// Relief of the nose: what the two flanks leave, or the end face of a flat tip.
    pub nose_deg: Quantity,
    /// How the nose comes about.
    pub nose_says: String,
    /// Width of blank the point uses to full depth.
    pub width_mm: Quantity,
    /// From the point to the side of the blank toward the shoulder, when it runs up to one.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub offset_mm: Option<Quantity>,
    /// How far over the point is ground, up to a shoulder.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub offset_says: Option<String>,
    /// Tilting the tool to the lead angle, where the trailing relief runs out.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub tilt_says: Option<String>,
    /// Included angle to grind in the raked face so that the form comes true.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub raked_deg: Option<Quantity>,
    /// What the rake asks.
    pub rake_says: String,
    /// The stocking tool, for coarse trapezoidal and square threads.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub stocking: Option<Stocking>,
}

/// What is settled before the grinding is.
pub(crate) struct Inputs<'a> {
    pub facts: &'a BitFacts,
    pub thread: &'a Thread,
    pub tip: &'a Tip,
    pub blank: &'a BlankFacts,
    pub direction: &'a Direction,
    /// Radial depth of the cut, mm.
    pub depth: Num,
    /// Radii of the groove's root and of the crest, mm.
    pub from_to: (f64, f64),
    /// Reliefs as ground, leading and trailing, degrees, where told.
    pub reliefs: [Option<f64>; 2],
    /// What of each relief the thread's own rise takes, leading and trailing, degrees.
    pub rises: (f64, f64),
    /// Whether a stocking tool roughs.
    pub stocks: bool,
}

/// Held face up with the point away, the headstock is on the left of a bit that stands so on the lathe; turned over, or with its
/// point toward the operator, on the right.
const fn headstock_left(direction: &Direction) -> bool {
    direction.upright == direction.infeed_away
}

/// From the point to the bit's side toward the headstock, mm: as told, or as the bit of the drawer is wide.
pub(crate) fn ahead_mm(facts: &BitFacts, direction: &Direction) -> Option<f64> {
    let side = usize::from(!headstock_left(direction));
    facts.body_ahead_mm.or_else(|| facts.sides_mm.map(|sides| sides[side]))
}

/// Whether the leading side is the left one of the bit held so.
pub(super) fn left_leads(direction: &Direction) -> bool {
    headstock_left(direction) == (direction.carriage == Carriage::TowardHeadstock)
}

/// Reliefs of the leading and the trailing side, seen from the front.
#[derive(Clone, Copy)]
pub(super) struct Reliefs {
    /// As they must be.
    pub sides: (Num, Num),
    /// By the bench formula, in a bore.
    pub bench: Option<(Num, Num)>,
}

/// Works them for this thread and clearance, at the least diameter cut: the root a sharp tip leaves, or the bore as turned; the bar's radius
/// counts in a bore.
pub(super) fn reliefs(sheet: &mut Worksheet, thread: &Thread, clearance: f64, sharpest: Num, facts: &BitFacts, bored: Option<f64>) -> Reliefs {
    let voice = sheet.voice();
    let (c, bar_radius) = (Num::from(clearance), facts.bar_radius_mm);
    // Tilted to the lead, the leading side needs that much less, and the trailing one that much more.
    let [lead_c, trail_c] = [Num::from(clearance - facts.tilt_deg), Num::from(clearance + facts.tilt_deg)];
    let said = || Some(say!(voice, "bit-working-clearance", clearance = plain_text(clearance, 0)));
    if thread.spec.side == Side::External {
        let root = super::root(sheet, thread, thread.own.pitch.0, sharpest);
        // A point that would meet the axis is no point of this thread.
        let at_root = if root.value > 0.0 { sheet.apply(&crate::thread::rules::LEAD_ANGLE, [thread.lead, root]) } else { thread.lead_angle_minor };
        return Reliefs {
            sides: (
                sheet.apply_assuming(&rules::RELIEF_LEADING, [lead_c, at_root], said()),
                sheet.apply_assuming(&rules::RELIEF_TRAILING, [trail_c, thread.lead_angle_major], said()),
            ),
            bench: None,
        };
    }
    let bore = bored.unwrap_or(thread.basic.minor.value) / 2.0;
    let at_bore_deg = sheet.apply(&crate::thread::rules::LEAD_ANGLE, [thread.lead, (2.0 * bore).into()]);
    let under = bar_radius.unwrap_or(bore / 2.0).min(0.9 * bore);
    let told = if bar_radius.is_some() { None } else { Some(say!(voice, "bit-stands-half-bore", under = voice.length(under))) };
    let falls = sheet.apply_assuming(&rules::BORE_FALLS, [bore.into(), under.into()], told);
    let [lead_flank, trail_flank] = thread.flanks.both().map(Num::from);
    let mut rise = |radius: f64| sheet.apply(&rules::BORE_RISE, [thread.lead, radius.into(), under.into()]);
    let (at_bore, at_root) = (rise(bore), rise(thread.major.value / 2.0));
    let root_falls = sheet.apply(&rules::BORE_FALLS, [Num::from(thread.major.value / 2.0), under.into()]);
    let bench = |flank: Num| [c, at_bore_deg, flank, falls, under.into()];
    let bench = (sheet.apply(&rules::BENCH_LEADING_BORE, bench(lead_flank)), sheet.apply(&rules::BENCH_TRAILING_BORE, bench(trail_flank)));
    let sides = (
        sheet.apply_assuming(&rules::RELIEF_LEADING_BORE, [lead_c, at_bore, lead_flank, falls, under.into()], said()),
        sheet.apply_assuming(&rules::RELIEF_TRAILING_BORE, [trail_c, at_bore, at_root, trail_flank, falls, root_falls, under.into()], said()),
    );
    Reliefs { sides, bench: Some(bench) }
}

/// Works what to grind.
pub(crate) fn reckon(sheet: &mut Worksheet, before: &Inputs<'_>, Reliefs { sides, bench }: Reliefs, clearance: f64, watch: &mut Vec<Watch>) -> Grind {
    let voice = sheet.voice();
    let Inputs { facts, thread, tip, blank, direction, depth, from_to, reliefs, rises, stocks } = *before;
    let alpha = Num::from(thread.alpha_deg);
    let straight = thread.alpha_deg <= 0.0;
    let toward = direction.carriage == Carriage::TowardHeadstock;
    let headstock_left = headstock_left(direction);
    let mut side = |leading: bool, front: Num| {
        let to_headstock = leading == toward;
        let flank = if leading { thread.flanks.leading } else { thread.flanks.trailing };
        let rest = sheet.apply(&rules::REST_ANGLE, [front, flank.into()]);
        let grind = SideGrind {
            side: if leading { "leading" } else { "trailing" },
            faces: if to_headstock { say!(voice, "toward-headstock") } else { say!(voice, "toward-tailstock") },
            to_headstock,
            held: if to_headstock == headstock_left { "left" } else { "right" },
            front_deg: Quantity::by_eye(front),
            rest_deg: Quantity::by_eye(rest),
            rise_deg: round_to_nine(if leading { rises.0 } else { rises.1 }),
            ground_deg: if leading { reliefs[0] } else { reliefs[1] },
            bench_deg: bench.map(|(l, t)| Quantity::by_eye(if leading { l } else { t })),
        };
        (grind, rest)
    };
    let ((leading, n1), (trailing, n2)) = (side(true, sides.0), side(false, sides.1));
    let flat_end = straight || thread.spec.system.family().end_face();
    let (nose, nose_says) = if flat_end {
        (Num::from(END_DEG), say!(voice, "bit-end-face"))
    } else {
        let nose = thread.flanks.apply(sheet, [&rules::NOSE, &rules::NOSE_BETWEEN], &[n1, n2]);
        (nose, say!(voice, "bit-nose-left", nose = voice.eye(nose.value)))
    };
    let width = sheet.apply(&rules::WIDTH_USED, [tip.equal_flat, depth, alpha]);
    let offset_says = blank.shoulder.then(|| {
        let hand = if headstock_left { "left" } else { "right" };
        say!(voice, "bit-point-over", hand = hand, half = voice.about(width.value / 2.0))
    });
    let tilt_says = tilted(thread, facts.tilt_deg, clearance, voice, watch);
    let (raked_deg, rake_says) = rake(sheet, facts, blank, thread, from_to);
    Grind {
        sides: [leading, trailing],
        nose_deg: Quantity::by_eye(nose),
        nose_says,
        width_mm: Quantity::about(voice, width),
        offset_mm: blank.shoulder.then(|| Quantity::about(voice, width.value / 2.0)),
        offset_says,
        tilt_says,
        raked_deg,
        rake_says,
        stocking: stocking(sheet, thread, tip, stocks),
    }
}

/// Many starts of one screw lean a long way: what a bit tilted to them wants.
fn tilted(thread: &Thread, tilt_deg: f64, clearance: f64, voice: Voice, watch: &mut Vec<Watch>) -> Option<String> {
    let straight = thread.alpha_deg <= 0.0;
    let rises = thread.lead_angle_major.value;
    (thread.spec.side == Side::External && thread.spec.starts > 1 && tilt_deg.abs() < 0.5 && clearance - rises < LEAST_DEG).then(|| {
        watch.push(Watch::new(Level::Note, Code::TrailingRelief, "bit", say!(voice, "bit-many-starts-lean", lean = voice.eye(rises))));
        let middle = (thread.lead_angle_minor.value + rises) / 2.0;
        // The edges then lie along the groove, not in the axial plane; its width across is the axial one times the cosine.
        let cut = |flank: f64| (flank.to_radians().tan() / middle.to_radians().cos()).atan().to_degrees();
        let (tilt, relief) = (voice.eye(middle), voice.eye(clearance));
        if straight {
            return say!(voice, "bit-tilted-square", tilt = tilt, relief = relief, share = plain_text((1.0 - middle.to_radians().cos()) * 100.0, 1));
        }
        let [one, other] = thread.flanks.both();
        let (ground, cuts) = (voice.angle(one), voice.angle(cut(one)));
        if one == other {
            return say!(voice, "bit-tilted", tilt = tilt, relief = relief, ground = ground, cuts = cuts);
        }
        let (ground2, cuts2) = (voice.angle(other), voice.angle(cut(other)));
        say!(voice, "bit-tilted-uneven", tilt = tilt, relief = relief, ground = ground, cuts = cuts, ground2 = ground2, cuts2 = cuts2)
    })
}

/// Half angles nearer than this are ground alike, degrees. House value.
const APART_DEG: f64 = 0.1;

/// The angle to grind in a raked face, and what is said of rake.
fn rake(sheet: &mut Worksheet, facts: &BitFacts, blank: &BlankFacts, thread: &Thread, (root, crest): (f64, f64)) -> (Option<Quantity>, String) {
    let voice = sheet.voice();
    let gamma = facts.rake_deg.unwrap_or(0.0);
    if gamma.abs() < 1e-9 || thread.alpha_deg <= 0.0 {
        let says = match blank.material.rake_most_deg {
            most if most > 0.0 => say!(voice, "bit-no-rake-but", material = large_first(&blank.material.name), most = plain_text(most, 0)),
            _ => say!(voice, "bit-no-rake"),
        };
        return (None, says);
    }
    let depth = (crest - root).abs();
    let external = thread.spec.side == Side::External;
    let rule = if external { &rules::EDGE_EXTERNAL } else { &rules::EDGE_INTERNAL };
    let edge = sheet.apply(rule, [root.into(), depth.into(), gamma.into()]);
    let bench = |flank: f64| (flank.to_radians().tan() * gamma.to_radians().cos()).atan().to_degrees();
    let [lead, trail] = thread.flanks.both();
    let shift = sheet.apply(&rules::LEAD_SHIFTS, [thread.lead, edge, gamma.into(), crest.into()]);
    let half = sheet.apply(&rules::RAKED_HALF, [lead.into(), depth.into(), edge, shift]);
    let other = sheet.apply(&rules::RAKED_HALF, [trail.into(), depth.into(), edge, (-shift.value).into()]);
    let whole = Num::from(half.value + other.value);
    let [rake, grind, cuts] = [gamma, whole.value, thread.flanks.included_deg()].map(|deg| voice.angle(deg));
    let (bench, bows) = (voice.angle(bench(lead) + bench(trail)), if gamma > 15.0 { "yes" } else { "no" });
    let says = if thread.flanks.are_even() && (half.value - other.value).abs() < APART_DEG {
        say!(voice, "bit-raked", rake = rake, grind = grind, cuts = cuts, bench = bench, bows = bows)
    } else {
        let (leading, trailing) = (voice.angle(half.value), voice.angle(other.value));
        say!(voice, "bit-raked-apart", rake = rake, grind = grind, cuts = cuts, bench = bench, bows = bows, leading = leading, trailing = trailing)
    };
    (Some(Quantity::angle(whole)), says)
}

/// Tip of the stocking tool that leaves its share on each flank for this form tool.
pub(crate) fn stocking_flat(sheet: &mut Worksheet, thread: &Thread, tip: &Tip) -> Num {
    thread.flanks.apply(sheet, [&rules::STOCKING_FLAT, &rules::STOCKING_FLAT_BETWEEN], &[tip.sharpest.1, STOCKING_LEAVES_MM.into()])
}

fn stocking(sheet: &mut Worksheet, thread: &Thread, tip: &Tip, planned: bool) -> Option<Stocking> {
    let voice = sheet.voice();
    let wide = thread.alpha_deg < 20.0 && thread.pitch.value >= STOCKING_FROM_MM;
    wide.then(|| {
        let flat = stocking_flat(sheet, thread, tip);
        Stocking {
            says: say!(
                voice,
                "bit-stocking",
                planned = if planned { "yes" } else { "no" },
                tip = voice.length(flat.value),
                leaves = voice.length(STOCKING_LEAVES_MM)
            ),
            flat_mm: Quantity::length(voice, flat),
            leaves_mm: Quantity::length(voice, STOCKING_LEAVES_MM),
        }
    })
}
