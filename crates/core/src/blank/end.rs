//! What a thread ends in, and whether the cut stops there or starts there.

use crate::working::Num;

/// How the cut meets the place it ends in.
#[derive(Debug, Clone, Copy)]
pub(crate) enum CutEnd {
    /// It runs in and must stop there, in this distance.
    StopsIn(Num),
    /// It starts there, as a left-hand thread or one cut away from the chuck does.
    StartsIn,
}

/// Margin of a plunged ring or pocket over the cut, mm. House value.
pub(crate) const MARGIN_MM: f64 = 0.5;
