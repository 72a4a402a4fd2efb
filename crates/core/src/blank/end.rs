//! What a thread ends in, and whether the cut stops there or starts there.

use crate::working::Num;
use serde::{Deserialize, Serialize};

/// How the thread ends.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum EndKind {
    /// Into a turned relief.
    Relief,
    /// Into a ring plunged by the threading bit itself.
    PlungedRing,
    /// Withdrawn at a mark while the work turns.
    Withdraw,
    /// Into a drilled pocket.
    DrilledPocket,
    /// Out into the open.
    Open,
}

impl EndKind {
    /// The usual one: a shoulder asks for a relief, none for the open.
    pub(crate) const fn usual(shoulder: bool) -> Self {
        if shoulder { Self::Relief } else { Self::Open }
    }
}

/// How the cut meets the place it ends in.
#[derive(Debug, Clone, Copy)]
pub(crate) enum End {
    /// It runs in and must stop there, in this distance.
    StopsIn(Num),
    /// It starts there, as a left-hand thread or one cut away from the chuck does.
    StartsIn,
}

/// Margin of a plunged ring or pocket over the cut, mm. House value.
pub(crate) const MARGIN_MM: f64 = 0.5;
