//! The bore before the thread: its share of a full thread, and the drill that leaves it a real cut.

use super::drill::marked;
use super::rules;
use super::size::Size;
use crate::job::Kit;
use crate::say;
use crate::thread::form::Thread;
use crate::working::{Quantity, Worksheet};
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
        drill_mm: drill.map(|v| Quantity { text: marked(v, voice), ..Quantity::given(voice, v) }),
        left_mm: left.map(|v| Quantity::about(voice, v)),
        drill_says,
    }
}
