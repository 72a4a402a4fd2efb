//! How the thread ends: the schools, what usable thread each leaves, and whether the mate seats.

use crate::quantity::mm_text;
use crate::thread::Side;
use crate::thread::section::Thread;
use crate::working::Quantity;
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
    pub(super) const fn usual(shoulder: bool) -> Self {
        if shoulder { Self::Relief } else { Self::Open }
    }
}

/// One school and what comes of it here.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct EndingSaid {
    /// Which.
    pub end: EndKind,
    /// As it is said.
    pub says: &'static str,
    /// Full thread it leaves.
    pub usable_mm: Quantity,
    /// Whether the mate seats against the shoulder.
    pub seats: bool,
    /// What comes of it.
    pub consequence: String,
    /// Whether it is the one followed.
    pub chosen: bool,
    /// Whether it is the one recommended.
    pub recommended: bool,
}

/// What the schools are judged on, mm.
pub(super) struct Ground {
    /// Width the relief needs.
    pub relief: f64,
    /// Width of the cut at full depth.
    pub cut: f64,
    /// Room the carriage stops in.
    pub stopping: f64,
    /// How deep the groove goes, crest to bottom.
    pub depth: f64,
}

/// Margin of a plunged ring or pocket over the cut, mm. House value.
const MARGIN_MM: f64 = 0.5;

/// Each school side by side; the open is none at a shoulder.
pub(super) fn endings(thread: &Thread, shoulder: bool, followed: EndKind, ground: &Ground) -> Vec<EndingSaid> {
    let recommended = EndKind::usual(shoulder);
    let external = thread.spec.side == Side::External;
    let ring = ground.cut + MARGIN_MM;
    // Withdrawn by hand over half a turn, begun within the stopping room.
    let fading = thread.lead.value * 0.5 + ground.stopping;
    let pocket = ground.cut.max(ground.depth) + 2.0 * MARGIN_MM;
    let beyond = |zone: f64| format!("the mate stands {} off unless it is counterbored", mm_text(zone));
    let list: [(EndKind, &'static str, f64, bool, String); 5] = [
        (EndKind::Relief, "in a turned relief", ground.relief, true, "the mate seats; the groove is the weakest place, so radius its corners".into()),
        (
            EndKind::PlungedRing,
            "in a ring plunged by the bit",
            ring,
            true,
            if ground.stopping > ring * 0.5 {
                format!(
                    "the mate seats, but {} of stopping does not fit in it: turn the spindle by hand, or cut away from the shoulder",
                    mm_text(ground.stopping)
                )
            } else {
                "the mate seats; the carriage must stop in its width".into()
            },
        ),
        (
            EndKind::Withdraw,
            "withdrawn at a mark",
            fading,
            false,
            format!(
                "no groove to weaken it, but the last turn fades out: {}; put the mark on the {}",
                beyond(fading),
                if external { "dial or the bed" } else { "bar" }
            ),
        ),
        (EndKind::DrilledPocket, "in a drilled pocket", pocket, false, format!("the spindle must stop with the bit in it, so by hand; {}", beyond(pocket))),
        (EndKind::Open, "out in the open", 0.0, true, "nothing to stop for".into()),
    ];
    list.into_iter()
        .filter(|(end, ..)| !shoulder || *end != EndKind::Open)
        .map(|(end, says, zone, seats, consequence)| EndingSaid {
            end,
            says,
            usable_mm: Quantity::length((thread.length - zone).max(0.0)),
            seats,
            consequence: if thread.length <= zone { format!("no full thread is left; {consequence}") } else { consequence },
            chosen: end == followed,
            recommended: end == recommended,
        })
        .collect()
}
