//! The groove as it is cut, seen at one angle of the work: a lathe tool cuts in the plane of the axis, so at that angle it takes metal only as
//! that line of the work comes round to it. Each time is a print of the tool's outline, and the groove is the deepest of all prints.

use crate::even::Even;
use crate::machine::{Machine, Tool, Work};
use crate::track::{Stretch, Track};

/// A print of the tool: where its point stood along the bed, and how deep under the crest.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Print {
    /// When, s.
    pub at_s: f64,
    /// Along the bed, mm.
    pub at_mm: f64,
    /// Depth, mm: of the point as it was ground.
    pub depth_mm: f64,
    /// How much of the point was worn away by then, mm.
    pub worn_mm: f64,
    /// How fast the tip moved along the bed then, mm a second.
    pub rate_mm_s: f64,
}

/// Deepest an overlap may be and still be a rubbing, mm.
pub const RUBS_MM: f64 = 0.003;
/// Places of an edge looked at, either side of its point.
const LOOKS: i32 = 24;

/// Times within a stretch at which the line of the work at an angle, turns, comes round to the tool.
fn comes_round(stretch: &Stretch, angle: f64, mut found: impl FnMut(f64)) {
    let (from, until) = (stretch.spindle, stretch.at(stretch.until_s).spindle);
    let (low, high) = if from.at <= until.at { (from.at, until.at) } else { (until.at, from.at) };
    let mut turn = (low - angle).ceil();
    let mut turns = Vec::new();
    while angle + turn < high {
        turns.push(turn);
        turn += 1.0;
    }
    if from.at > until.at {
        turns.reverse();
    }
    for s in turns.into_iter().filter_map(|turn| from.first(angle + turn)) {
        found(s);
    }
}

/// The prints a track leaves at an angle of the work, turns, in their order; those of a tip out of all metal are left out. A tool that springs
/// leaves its share of every chip standing, and one that wears loses a little with every turn it cuts.
#[must_use]
pub fn prints(track: &Track, machine: &Machine, work: &Work, tool: &Tool, angle: f64) -> Vec<Print> {
    let mut all = Vec::new();
    let yields = tool.springs > 0.0 || tool.wears_mm > 0.0;
    let mut worn_mm = 0.0;
    for stretch in &track.stretches {
        let [along, depth] = stretch.tip(machine);
        if depth.at.max(depth.after(stretch.until_s - stretch.from_s).at) <= 0.0 {
            continue;
        }
        comes_round(stretch, angle, |s| {
            let print = Print { worn_mm, ..Print::of([along, depth].map(|e| e.after(s)), stretch.from_s + s) };
            if !work.meets(tool, &print) {
                return;
            }
            let chip = if yields { work.chip(tool, &all, &print) } else { 0.0 };
            all.push(Print { depth_mm: print.depth_mm - tool.springs.clamp(0.0, 1.0) * chip, ..print });
            if chip > 0.0 {
                worn_mm += tool.wears_mm;
            }
        });
    }
    all
}

impl Work {
    /// Whether a print is of a tool in metal that was there before anything was cut.
    fn meets(&self, tool: &Tool, print: &Print) -> bool {
        print.depth_mm > 0.0 && edge(tool, self.lead_mm.abs()).any(|x| print.reaches(tool, print.at_mm + x) > self.surface(print.at_mm + x))
    }

    /// How deep a print goes into what still stands where its point is, mm.
    fn chip(&self, tool: &Tool, prints: &[Print], print: &Print) -> f64 {
        let was = self.depth(tool, prints, print.at_mm);
        (print.reaches(tool, print.at_mm) - was).max(0.0)
    }

    /// How deep the metal has been taken down at a place, mm, by prints.
    #[must_use]
    pub fn depth(&self, tool: &Tool, prints: &[Print], at: f64) -> f64 {
        let surface = self.surface(at);
        prints.iter().map(|p| p.reaches(tool, at)).fold(surface, f64::max)
    }

    /// How far a tool would stand in metal that is still there, mm: the deepest overlap along its edge; nought where it fits.
    #[must_use]
    pub fn overlap(&self, tool: &Tool, prints: &[Print], now: &Print) -> f64 {
        let near: Vec<Print> = prints.iter().copied().filter(|p| (p.at_mm - now.at_mm).abs() < 2.0 * self.lead_mm.abs() + p.depth_mm).collect();
        edge(tool, self.lead_mm.abs()).map(|x| now.at_mm + x).map(|at| now.reaches(tool, at) - self.depth(tool, &near, at)).fold(0.0, f64::max)
    }

    /// The section between two places, so many points: place, and depth under the crest.
    #[must_use]
    pub fn section(&self, tool: &Tool, prints: &[Print], [from, until]: [f64; 2], points: u32) -> Vec<[f64; 2]> {
        (0..=points)
            .map(|i| {
                let at = from + (until - from) * f64::from(i) / f64::from(points.max(1));
                [at, self.depth(tool, prints, at)]
            })
            .collect()
    }
}

/// Places along an edge, from its point: as far as any thread of this lead is wide.
fn edge(tool: &Tool, lead: f64) -> impl Iterator<Item = f64> {
    let half = tool.flat_mm / 2.0 + lead / 2.0;
    (-LOOKS..=LOOKS).map(move |i| half * f64::from(i) / f64::from(LOOKS))
}

impl Print {
    /// How deep the tool's edge reached at a place, mm; under nought where it stood clear.
    #[must_use]
    pub fn reaches(&self, tool: &Tool, at: f64) -> f64 {
        self.depth_mm - tool.back_mm(at - self.at_mm).max(self.worn_mm)
    }

    /// Of a tip as it stands.
    #[must_use]
    pub fn of([along, depth]: [Even; 2], at_s: f64) -> Self {
        Self { at_s, at_mm: along.at, depth_mm: depth.at, worn_mm: 0.0, rate_mm_s: along.rate }
    }
}
