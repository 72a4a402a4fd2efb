//! The bore before the thread: its share of a full thread, and the drill that leaves it a real cut.

use super::ChaserEnd;
use super::drill::marked;
use super::rules;
use super::size::Size;
use crate::job::Kit;
use crate::say;
use crate::thread::form::Thread;
use crate::voice::Voice;
use crate::working::{Num, Quantity, Worksheet};
use serde::Serialize;

/// Bore: its share of full thread and the drill before it.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Bore {
    /// Per cent of a full sharp thread this bore leaves.
    pub share_percent: Quantity,
    /// Largest drill owned that leaves a real boring cut.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub drill_mm: Option<Quantity>,
    /// Drills before it, in order: a pilot about as thick as the next one's web, and a step where the last is large.
    #[serde(skip_serializing_if = "Vec::is_empty")]
    pub steps_mm: Vec<Quantity>,
    /// What it leaves to bore, on diameter, cutting over its size as drills do.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub left_mm: Option<Quantity>,
    /// Which drill, by its own maker's mark, and what it leaves; or why none is named.
    pub drill_says: String,
}

/// Least left to bore true, on diameter, even where the drill cuts over at worst, mm. House value.
const REAL_CUT_MM: f64 = 0.25;
/// How much more than usual a drill may cut over, at worst. House value.
const AT_WORST: f64 = 1.5;
/// Share of the bore past which what is left is no boring cut any more.
const FAR_SHARE: f64 = 0.3;

/// The share of thread a bore leaves, and the drill before it.
pub(super) fn reckon(sheet: &mut Worksheet, kit: &Kit, thread: &Thread, size: &Size) -> Bore {
    let voice = sheet.voice();
    let share = sheet.apply(&rules::SHARE_OF_BORE, [thread.major, size.used, size.full]);
    let bore = size.used.value;
    let over = |d: f64| (rules::DRILL_CUTS_OVER.eval)(&[d]);
    let leaves = |d: &f64| *d + AT_WORST * over(*d) <= bore - REAL_CUT_MM;
    let largest = kit.drills_mm.iter().copied().filter(leaves).max_by(f64::total_cmp);
    // One told too short for the thread does not get to its end.
    let reaches = |d: &f64| kit.drill_reach(*d).is_none_or(|r| r >= thread.length);
    let drill = kit.drills_mm.iter().copied().filter(|d| leaves(d) && reaches(d)).max_by(f64::total_cmp);
    let short = largest.filter(|l| drill.is_none_or(|d| d < *l)).and_then(|d| Some((d, kit.drill_reach(d)?)));
    let over = drill.map(|d| sheet.apply(&rules::DRILL_CUTS_OVER, [d.into()]).value);
    let left = drill.zip(over).map(|(d, over)| bore - d - over);
    let drill_says = match (drill, left) {
        (Some(d), Some(left)) if left > FAR_SHARE * bore && left > 5.0 => {
            say!(voice, "blank-largest-drill", drill = marked(d, voice), left = voice.about(left))
        }
        (Some(d), Some(left)) => say!(voice, "blank-drill", drill = marked(d, voice), over = voice.about(over.unwrap_or(0.0)), left = voice.about(left)),
        _ => say!(voice, "blank-no-drill", bore = voice.about(bore)),
    };
    let drill_says = match short {
        Some((d, reach)) => {
            say!(voice, "blank-drill-short", said = drill_says, drill = marked(d, voice), reach = voice.given(reach), need = voice.least(thread.length))
        }
        None => drill_says,
    };
    Bore {
        share_percent: Quantity::plain(share, 1, " %"),
        steps_mm: drill.map_or_else(Vec::new, |last| steps(kit, last, thread.length)).into_iter().map(|d| named(d, voice)).collect(),
        drill_mm: drill.map(|v| named(v, voice)),
        left_mm: left.map(|v| Quantity::about(voice, v)),
        drill_says,
    }
}

/// Taps want the hole as drilled: the drill whose hole lies in the limits, nearest what is aimed at, and how large that hole is.
pub(crate) fn tapping(sheet: &mut Worksheet, kit: &Kit, size: &Size, deep: f64) -> Option<(f64, Num)> {
    let cuts = |d: f64| d + (rules::DRILL_CUTS_OVER.eval)(&[d]);
    let serves = |d: &f64| (size.min.value..=size.max.value).contains(&cuts(*d)) && kit.drill_reach(*d).is_none_or(|r| r >= deep);
    let off = |d: f64| (cuts(d) - size.aim.value).abs();
    let drill = kit.drills_mm.iter().copied().filter(serves).min_by(|a, b| off(*a).total_cmp(&off(*b)))?;
    let over = sheet.apply(&rules::DRILL_CUTS_OVER, [drill.into()]);
    Some((drill, sheet.apply(&rules::HOLE_OF_DRILL, [drill.into(), over])))
}

/// The hole before a tap: the drill that makes it, or the bore where none does.
pub(super) fn tapped(sheet: &mut Worksheet, kit: &Kit, thread: &Thread, size: &Size, end: &ChaserEnd) -> Bore {
    let voice = sheet.voice();
    let Some((drill, cuts)) = end.drill else {
        let wanted = sheet.apply(&rules::DRILL_FOR_HOLE, [size.aim]).value;
        let bored = reckon(sheet, kit, thread, size);
        let drill_says = say!(voice, "blank-no-tapping-drill", said = &bored.drill_says, wanted = voice.about(wanted));
        return Bore { drill_says: if size.used.value == size.aim.value { drill_says } else { bored.drill_says }, ..bored };
    };
    let share = sheet.apply(&rules::SHARE_OF_BORE, [thread.major, size.used, size.full]);
    Bore {
        share_percent: Quantity::plain(share, 1, " %"),
        steps_mm: steps(kit, drill, end.hole.map_or(thread.length, |[_, tip]| tip)).into_iter().map(|d| named(d, voice)).collect(),
        drill_mm: Some(named(drill, voice)),
        left_mm: None,
        drill_says: say!(voice, "blank-tapping-drill", drill = marked(drill, voice), cuts = voice.length(cuts)),
    }
}

/// A drill by its maker's mark.
fn named(mm: f64, voice: Voice) -> Quantity {
    Quantity { text: marked(mm, voice), ..Quantity::given(voice, mm) }
}

/// Largest drill that follows its pilot in one go, mm. House value: what a small lathe's tailstock pushes.
const ONE_GO_MM: f64 = 13.0;
/// A drill under this needs no pilot, mm. House value.
const NO_PILOT_MM: f64 = 5.0;
/// The web of a drill, as a share of its diameter: what its pilot is to clear, and how far from it a pilot may be.
const WEB: f64 = 0.2;
const PILOT: [f64; 2] = [0.15, 0.3];
/// A step before a large drill, as a share of it.
const STEP: [f64; 2] = [0.45, 0.75];

/// The drills before the last: those owned that reach so far.
fn steps(kit: &Kit, last: f64, deep: f64) -> Vec<f64> {
    let nearest = |wanted: f64, [from, to]: [f64; 2]| {
        let fit = kit.drills_mm.iter().copied().filter(|d| (from..=to).contains(d) && kit.drill_reach(*d).is_none_or(|r| r >= deep));
        fit.min_by(|a, b| (a - wanted).abs().total_cmp(&(b - wanted).abs()))
    };
    let of = |d: f64, share: [f64; 2]| share.map(|s| s * d);
    let step = if last > ONE_GO_MM { nearest(0.6 * last, of(last, STEP)) } else { None };
    let next = step.unwrap_or(last);
    let pilot = if next >= NO_PILOT_MM { nearest(WEB * next, of(next, PILOT)) } else { None };
    pilot.into_iter().chain(step).collect()
}
