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
    /// What the cross-slide's dial shows, as travel, mm.
    pub cross_mm: EvenView,
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
            cross_mm: stretch.dials[0].into(),
        }
    }

    /// What a lathe did from a time on, and how it stands in the end; run into something, as it stood then.
    #[must_use]
    pub fn all(lathe: &Lathe, machine: &Machine, began: f64, crashed: Option<f64>) -> Vec<Self> {
        let until = crashed.unwrap_or(f64::INFINITY);
        let after = lathe.track().stretches.iter().filter(|s| s.until_s > began && s.from_s < until);
        let ends = crashed.and_then(|at| lathe.track().at(at)).map_or_else(|| lathe.stands(), |s| s.stopped());
        after.chain([&ends]).map(|s| Self::of(s, machine, began)).collect()
    }
}
