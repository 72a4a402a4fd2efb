//! The part on the lathe, and what three wires read of its thread as it is cut.

use crate::groove::prints;
use crate::machine::{Machine, Tool, Work};
use crate::track::Track;

/// Points a pitch is looked at by.
const POINTS: u32 = 4000;
/// How far at least a wire lies in a groove to be held by it, mm. House value.
const HELD_MM: f64 = 0.01;
/// Steps a wire is moved by to find its seat, a pitch.
const SEATS: u32 = 100;
/// Times what is left is narrowed by a third.
const NARROWINGS: u32 = 30;

/// A part, and the tool that cuts it.
#[derive(Debug, Clone, PartialEq)]
pub struct Part {
    /// The metal as turned.
    pub work: Work,
    /// The tool.
    pub tool: Tool,
    /// Radius of the crest, mm.
    pub radius_mm: f64,
}

impl Part {
    /// Over three wires in the middle of its thread, mm: where they come to rest in the section through the axis. Nothing where no groove is
    /// there to hold them, or they stand on the crest.
    #[must_use]
    pub fn over_wires(&self, track: &Track, machine: &Machine, wire_mm: f64) -> Option<f64> {
        let (low, high) = self.work.thread()?;
        let lead = self.work.lead_mm.abs();
        let (from, until) = (f64::midpoint(low, high) - lead, f64::midpoint(low, high) + lead);
        let cut = prints(track, machine, &self.work, &self.tool, 0.0);
        let section = self.work.section(&self.tool, &cut, [from, until], POINTS);
        let r = wire_mm / 2.0;
        // The wire's middle stands as high as the highest point under it lets it.
        let height = |at: f64| {
            let under = section.iter().filter(|p| (p[0] - at).abs() < r);
            under.map(|p| (r * r - (p[0] - at).powi(2)).sqrt() - p[1]).fold(f64::NEG_INFINITY, f64::max)
        };
        let span = (until - from) / 2.0;
        let seats = (0..=SEATS).map(|i| from + span / 2.0 + span * f64::from(i) / f64::from(SEATS));
        let near = seats.min_by(|a, b| height(*a).total_cmp(&height(*b)))?;
        // Between two neighbours there is one lowest place.
        let (mut low, mut high) = (near - span / f64::from(SEATS), near + span / f64::from(SEATS));
        for _ in 0..NARROWINGS {
            let (a, b) = (low + (high - low) / 3.0, high - (high - low) / 3.0);
            if height(a) < height(b) { high = b } else { low = a }
        }
        let lowest = height(f64::midpoint(low, high));
        (lowest < r - HELD_MM && lowest > f64::NEG_INFINITY).then_some(2.0 * (self.radius_mm + lowest + r))
    }
}

impl Work {
    /// The surface at the crest, from where to where, mm.
    fn thread(&self) -> Option<(f64, f64)> {
        self.surfaces.iter().find(|s| s.depth_mm <= 0.0).map(|s| (s.from_mm, s.until_mm))
    }
}
