//! The wall left round a bore: whether three jaws press it out of round, and whether it stands the thread at all.

use super::rules;
use crate::bit::{self, Tip};
use crate::job::{BlankFacts, Holding};
use crate::say;
use crate::thread::Side;
use crate::thread::form::Thread;
use crate::watch::{Code, Level, Watch};
use crate::working::{Num, Quantity, Worksheet};
use serde::Serialize;

/// The wall round a bore.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct RingWall {
    /// Left outside the root, the point taken sharp where the tip was not told.
    pub left_mm: Quantity,
    /// How much smaller the bore is at each jaw, on diameter, where the jaws' force was told.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub in_mm: Option<Quantity>,
    /// How much larger between the jaws.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub out_mm: Option<Quantity>,
    /// Whether it is too thin to be held so.
    pub thin: bool,
    /// Whether that is for the jaws, and not for the thread.
    #[serde(skip)]
    pub pressed: bool,
    /// In one sentence.
    pub says: String,
}

/// Judges the wall, where the outside of the part was told.
pub(super) fn reckon(
    sheet: &mut Worksheet,
    facts: &BlankFacts,
    thread: &Thread,
    (used, tip): (Num, &Tip),
    held: Holding,
    watch: &mut Vec<Watch>,
) -> Option<RingWall> {
    let voice = sheet.voice();
    let outside = facts.outside_mm.filter(|_| thread.spec.side == Side::Internal)?;
    let deepest = bit::root(sheet, thread, thread.own.pitch.1, tip.sharpest.0);
    let left = sheet.apply(&rules::WALL, [outside.into(), deepest]);
    // The ring as it is held: from the bore as turned to the outside, at its middle.
    let [ring, radius] = [(outside - used.value) / 2.0, (outside + used.value) / 4.0];
    let depth = (deepest.value - used.value) / 2.0;
    let jaws = matches!(held, Holding::ThreeJaw);
    let bends = facts.jaw_force_n.filter(|_| jaws && ring > 0.0).map(|force| {
        let with = [force.into(), radius.into(), facts.grip_mm.unwrap_or(thread.length).into(), ring.into(), (facts.material.modulus_gpa * 1000.0).into()];
        [sheet.apply(&rules::RING_IN, with), sheet.apply(&rules::RING_OUT, with)]
    });
    let room = thread.own.pitch.1.value - thread.own.pitch.0.value;
    let weak = left.value < 2.0 * depth;
    let thin = weak || bends.map_or(jaws && ring < radius / 6.0, |[inward, _]| inward.value > room.max(0.02) / 4.0);
    let says = if left.value <= 0.0 {
        say!(voice, "blank-no-wall", deepest = voice.length(deepest.value), outside = voice.length(outside))
    } else {
        let cure = match (weak, thin) {
            (true, _) => "weak",
            (false, true) => "thin",
            (false, false) => "none",
        };
        let (left, depth) = (voice.about(left.value), voice.coarse(depth));
        match bends.filter(|[inward, _]| voice.shows(inward.value)) {
            None => say!(voice, "blank-wall-left", left = left, depth = depth, cure = cure),
            Some(pressed) => {
                let [inward, out] = pressed.map(|mm| voice.length(mm.value));
                say!(voice, "blank-wall-pressed", left = left, inward = inward, out = out, depth = depth, cure = cure)
            }
        }
    };
    if thin {
        watch.push(Watch::new(Level::Warn, Code::WallThin, "blank", says.clone()));
    }
    let [inward, out] = bends.map_or([None; 2], |b| b.map(Some));
    Some(RingWall {
        left_mm: Quantity::about(voice, left),
        in_mm: inward.map(|v| Quantity::length(voice, v)),
        out_mm: out.map(|v| Quantity::length(voice, v)),
        thin,
        pressed: thin && !weak,
        says,
    })
}
