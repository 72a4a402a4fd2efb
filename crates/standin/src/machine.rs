//! The facts of the lathe that stands in, of the metal on it and of the tool.

use crate::even::Even;
use yoke_ground::quantity::{Ratio, real};

/// A threading dial: the teeth of its gear and the marks on its face.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct DialFace {
    /// Teeth of the gear that runs on the leadscrew.
    pub teeth: u16,
    /// Marks, evenly round.
    pub marks: u16,
}

/// What moves, and how. Along the bed places count away from the headstock; depth counts into the metal, inside and out alike.
#[derive(Debug, Clone, PartialEq)]
pub struct Machine {
    /// Pitch of the leadscrew, mm.
    pub screw_mm: Ratio,
    /// Leadscrew turns per turn of the spindle of the train hung; over nought where the spindle turning forward takes the carriage away from
    /// the headstock.
    pub turns: Ratio,
    /// All the lost motion at the carriage, gears included, mm.
    pub play_mm: f64,
    /// The threading dial.
    pub dial: Option<DialFace>,
    /// Seconds it takes to come to speed.
    pub spin_up_s: f64,
    /// Turns it coasts, and from how many turns a second: they grow as the square.
    pub coast: [f64; 2],
    /// Whether the chuck is screwed onto the spindle.
    pub chuck_screwed: bool,
    /// Lost motion of the cross-slide and of the compound, mm.
    pub slide_play_mm: [f64; 2],
    /// Lean of the compound from the cross-slide's line, degrees.
    pub lean_deg: f64,
    /// Which way a pass goes along the bed: −1 toward the headstock, 1 away from it.
    pub cuts: f64,
}

impl Machine {
    /// How far the carriage goes in a turn forward, mm; under nought toward the headstock.
    #[must_use]
    pub fn lead_mm(&self) -> f64 {
        real(&(self.screw_mm * self.turns))
    }

    /// Rate a running spindle loses, turns a second a second; `None` where it stops at once.
    #[must_use]
    pub fn slows(&self) -> Option<f64> {
        let [turns, from] = self.coast;
        (turns > 0.0).then(|| from * from / (2.0 * turns))
    }

    /// Where the tip stands: along the bed, and how deep; from the carriage, the cross-slide and the compound.
    #[must_use]
    pub fn tip(&self, carriage: Even, [cross, compound]: [Even; 2]) -> [Even; 2] {
        let lean = self.lean_deg.to_radians();
        // Fed in, a compound that leans carries the tip toward the leading flank.
        [carriage + compound * (self.cuts * lean.sin()), cross + compound * lean.cos()]
    }
}

/// A stretch of the work as turned: how deep its surface lies under the crest, mm, under nought where it stands over it.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Surface {
    /// From here along the bed, mm.
    pub from_mm: f64,
    /// To here.
    pub until_mm: f64,
    /// Depth under the crest.
    pub depth_mm: f64,
}

/// What a tool must not run into: a shoulder, the jaws, the end of a blind bore.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Wall {
    /// Where it stands along the bed, mm.
    pub at_mm: f64,
    /// What stands at this depth or deeper meets it, mm.
    pub depth_mm: f64,
}

/// The work as turned: outside all its surfaces is air.
#[derive(Debug, Clone, Default, PartialEq)]
pub struct Work {
    /// Its surfaces.
    pub surfaces: Vec<Surface>,
    /// What stands toward the headstock and toward the tailstock.
    pub walls: Vec<Wall>,
    /// Lead of the groove and its starts.
    pub lead_mm: f64,
    /// Starts.
    pub starts: u32,
}

impl Work {
    /// From one groove to the next, mm.
    #[must_use]
    pub fn pitch_mm(&self) -> f64 {
        self.lead_mm.abs() / f64::from(self.starts.max(1))
    }

    /// Where a cut going one way comes to its crest, mm: the first surface that does not lie under it.
    #[must_use]
    pub fn begins(&self, cuts: f64) -> f64 {
        let ends = self.surfaces.iter().filter(|s| s.depth_mm <= 0.0).map(|s| if cuts < 0.0 { s.until_mm } else { s.from_mm });
        ends.max_by(|a, b| (-cuts * a).total_cmp(&(-cuts * b))).unwrap_or(0.0)
    }

    /// How deep the surface lies at a place, mm; deeper than any tool where there is none.
    #[must_use]
    pub fn surface(&self, at: f64) -> f64 {
        self.surfaces.iter().find(|s| (s.from_mm..=s.until_mm).contains(&at)).map_or(f64::INFINITY, |s| s.depth_mm)
    }
}

/// The tool: its edge, and how much of it stands beside the point.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Tool {
    /// Flat of the tip, mm, where it is not round.
    pub flat_mm: f64,
    /// Radius of the tip, mm; nought of a flat one.
    pub radius_mm: f64,
    /// Flanks from square to the axis, degrees: the one toward the headstock, the other.
    pub flanks_deg: [f64; 2],
    /// Body beside the point, mm: toward the headstock, and away from it.
    pub body_mm: [f64; 2],
    /// Share of what is asked of it that it gives way by, tool, work and lathe together; nought where all is stiff, and under one.
    pub springs: f64,
    /// How much of its tip a turn in metal takes, mm.
    pub wears_mm: f64,
}

impl Tool {
    /// How far the edge stands back from its deepest point, `x` mm off the point, over nought away from the headstock.
    #[must_use]
    pub fn back_mm(&self, x: f64) -> f64 {
        let alpha = self.flanks_deg[usize::from(x > 0.0)].to_radians();
        let out = x.abs();
        let (to, back) = if self.radius_mm > 0.0 {
            let (r, to) = (self.radius_mm, self.radius_mm * alpha.cos());
            if out <= to {
                return r - (r * r - out * out).max(0.0).sqrt();
            }
            (to, r * (1.0 - alpha.sin()))
        } else {
            (self.flat_mm / 2.0, 0.0)
        };
        if out <= to { back } else { back + (out - to) / alpha.tan() }
    }
}
