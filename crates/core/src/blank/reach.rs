//! How far the bit reaches: what a relief must clear, to stop in or to start in.

use super::rules;
use crate::bit::{Tip, ahead_mm};
use crate::direction::Direction;
use crate::job::defaults::{BACKLASH_MM, BIT_WIDTH_MM};
use crate::job::{BitFacts, BlankFacts, SetupFacts};
use crate::say;
use crate::thread::Side;
use crate::thread::form::Thread;
use crate::working::{Num, Worksheet};

/// Clearance under the tip in the relief, on diameter, mm. House value.
pub(super) const CLEARANCE_MM: f64 = 0.2;

/// How far the bit reaches, in and along.
#[derive(Debug, Clone, Copy)]
pub(crate) struct Reach {
    /// Diameter that the tip never reaches.
    pub clear: Num,
    /// How deep the cut goes from the blank, mm radial.
    pub depth: f64,
    /// Half the cut's width at the blank's surface, at full depth; of unequal flanks, the wider half.
    pub half: Num,
    /// From the point to the bit's side toward the shoulder.
    pub ahead: Num,
    /// Whether it was told, or may be taken; in a bore it may not.
    pub ahead_known: bool,
    /// Backlash to take up before the carriage moves, mm.
    pub backlash: f64,
}

/// Works the reach of this tip in a blank of this size.
pub(crate) fn reckon(
    sheet: &mut Worksheet,
    facts: &BlankFacts,
    (bit, setup, direction): (&BitFacts, &SetupFacts, &Direction),
    thread: &Thread,
    tip: &Tip,
    used: Num,
) -> Reach {
    let external = thread.spec.side == Side::External;
    // The limit, or a target chosen past it: the tip goes to whichever is deeper.
    let (low, high) = thread.own.pitch;
    let clear = if external {
        let deepest = facts.target_mm.filter(|t| *t < low.value).map_or(low, Num::from);
        sheet.apply(&rules::RELIEF_EXTERNAL, [deepest, tip.sharpest.0, CLEARANCE_MM.into()])
    } else {
        let deepest = facts.target_mm.filter(|t| *t > high.value).map_or(high, Num::from);
        sheet.apply(&rules::RELIEF_INTERNAL, [deepest, tip.sharpest.0, CLEARANCE_MM.into()])
    };
    let depth = ((used.value - clear.value).abs() / 2.0 - CLEARANCE_MM / 2.0).max(0.0);
    let half = sheet.apply(&rules::HALF_CUT, [tip.sharpest.1, depth.into(), thread.flanks.leading.max(thread.flanks.trailing).into()]);
    let told = ahead_mm(bit, direction).map(|b| b.max(half.value));
    let ahead = told.map_or_else(
        // In a bore what stands foremost is the bar's own, and is asked for: until it is told the flank alone is reckoned with, and the check is red.
        || {
            if external { sheet.apply_assuming(&rules::AHEAD, [half, BIT_WIDTH_MM.into()], Some(say!(sheet.voice(), "blank-common-tool"))) } else { half }
        },
        Num::from,
    );
    Reach { ahead_known: told.is_some() || external, clear, depth, half, ahead, backlash: setup.backlash_mm.unwrap_or(BACKLASH_MM) }
}
