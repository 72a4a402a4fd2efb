//! Motion as it is sent: stretches in which everything moves evenly, for whoever draws it to read off at any time.

use serde::Serialize;
use yoke_standin::{Even, Lathe, Machine, Stretch};

/// A place, its rate and the rate's change: at t seconds into the stretch it is at + rate·t + change·t²/2.
#[derive(Debug, Clone, Copy, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct EvenView {
    /// Place, in its unit.
    pub at: f64,
    /// A second.
    pub rate: f64,
    /// A second a second.
    pub change: f64,
}

impl From<Even> for EvenView {
    fn from(e: Even) -> Self {
        let tidy = |v: f64| (v * 1e7).round() / 1e7;
        Self { at: tidy(e.at), rate: tidy(e.rate), change: tidy(e.change) }
    }
}

/// One stretch.
#[derive(Debug, Clone, Copy, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct StretchView {
    /// From so many seconds after the try began.
    pub from_s: f64,
    /// The point along the bed, mm.
    pub along_mm: EvenView,
    /// The point's depth under the crest, mm.
    pub depth_mm: EvenView,
    /// Turns of the spindle.
    pub spindle: EvenView,
    /// Teeth of the screw the dial has counted.
    pub counted: EvenView,
}

impl StretchView {
    fn of(stretch: &Stretch, machine: &Machine, began: f64) -> Self {
        let [along, depth] = stretch.tip(machine);
        Self {
            from_s: stretch.from_s - began,
            along_mm: along.into(),
            depth_mm: depth.into(),
            spindle: stretch.spindle.into(),
            counted: stretch.counted.into(),
        }
    }

    /// What a lathe did from a time on, and how it stands in the end.
    #[must_use]
    pub fn all(lathe: &Lathe, machine: &Machine, began: f64) -> Vec<Self> {
        let after = lathe.track().stretches.iter().filter(|s| s.until_s > began);
        after.chain([&lathe.stands()]).map(|s| Self::of(s, machine, began)).collect()
    }
}
