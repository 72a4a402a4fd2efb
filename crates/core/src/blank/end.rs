//! What a thread ends in, and whether the cut stops there or starts there.

use crate::direction::Carriage;
use crate::job::{BlankFacts, EndKind};
use crate::thread::Side;
use crate::working::Num;

/// How the cut meets the place it ends in.
#[derive(Debug, Clone, Copy)]
pub(crate) enum CutEnd {
    /// It runs in and must stop there, in this distance.
    StopsIn(Num),
    /// It starts there, as a left-hand thread or one cut away from the chuck does: in a groove with no run-up, in the open after this one.
    StartsIn(Num),
}

/// Margin of a plunged ring or pocket over the cut, mm. House value.
pub(crate) const MARGIN_MM: f64 = 0.5;

/// What the headstock end of the thread usually is: a relief at a shoulder, and where a screw's cut starts on the bar itself.
pub(super) fn usual(shoulder: bool, side: Side, carriage: Carriage) -> EndKind {
    EndKind::usual(shoulder || (side == Side::External && carriage == Carriage::AwayFromHeadstock))
}

/// What it is here: as told, else the usual.
pub(crate) fn ends_in(facts: &BlankFacts, side: Side, carriage: Carriage) -> EndKind {
    facts.end.unwrap_or_else(|| usual(facts.shoulder, side, carriage))
}

/// Whether this is a place for the bit to stand in, clear of metal.
pub(crate) const fn is_groove(end: EndKind) -> bool {
    matches!(end, EndKind::Relief | EndKind::PlungedRing | EndKind::DrilledPocket)
}
