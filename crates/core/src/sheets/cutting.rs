//! The plan's passes as strokes of the tool as ground: what the groove and every mistake in it are simulated by.

use crate::cut::{self, Edge, Field, PassKind, PassRow};
use crate::direction::Carriage;
use crate::outline::{Point, Shape};
use crate::plan::Pointed;
use crate::thread::{Flanks, Side};

/// Everything the simulation takes from a plan.
pub(super) struct Cutting<'a> {
    pub pitch: f64,
    pub flanks: Flanks,
    pub form: Edge,
    pub rough: Edge,
    /// Sideways per depth, toward the leading side.
    pub lean: f64,
    pub full: f64,
    pub passes: &'a [PassRow],
    /// 1 where depth is drawn upward, in a bore.
    pub up: f64,
    /// −1 where the leading side lies to the right.
    pub mirror: f64,
}

/// Where one pass stands: the tip's middle along the axis, and how deep.
#[derive(Debug, Clone, Copy)]
pub(super) struct Stroke {
    pub at: f64,
    pub depth: f64,
}

impl<'a> Cutting<'a> {
    pub fn of(plan: &'a Pointed<'a>) -> Self {
        let cut = &plan.cut;
        let flanks = plan.thread.flanks();
        let angles = plan.bit.ground.as_ref().map_or_else(|| flanks.both(), |g| [g.leading_deg.value, g.trailing_deg.value]);
        let full = cut.passes.iter().map(|p| p.radial_mm).fold(0.0, f64::max);
        let reach = 4.0 * full + 1.0;
        Self {
            pitch: plan.thread.pitch_mm.value,
            flanks,
            form: cut::edge(plan.bit.flat_mm.value, plan.bit.radius_mm.as_ref().map(|r| r.value), angles, reach),
            rough: cut::edge(cut.stocking_flat_mm.as_ref().map_or(plan.bit.flat_mm.value, |f| f.value), None, flanks.both(), reach),
            lean: cut.angle_deg.to_radians().tan(),
            full,
            passes: &cut.passes,
            up: if plan.thread.side == Side::External { -1.0 } else { 1.0 },
            mirror: if plan.setup.carriage == Carriage::TowardHeadstock { 1.0 } else { -1.0 },
        }
    }

    pub fn edge(&self, pass: &PassRow) -> &Edge {
        if pass.kind == PassKind::Stocking { &self.rough } else { &self.form }
    }

    pub fn stroke(&self, pass: &PassRow) -> Stroke {
        Stroke { at: (self.full - pass.radial_mm) * self.lean + pass.side_mm, depth: pass.radial_mm }
    }

    /// The groove after every pass, each as `tamper` leaves it.
    pub fn run(&self, tamper: impl Fn(usize, Stroke) -> Stroke) -> Field {
        let mut field = Field::uncut(self.pitch);
        for (i, pass) in self.passes.iter().enumerate() {
            let stroke = tamper(i, self.stroke(pass));
            field.cut(self.edge(pass), stroke.at, stroke.depth);
        }
        field
    }

    /// A section over two pitches, as it is drawn.
    pub fn drawn(&self, field: &Field) -> Vec<Point> {
        let place = |p: &Point, turn: f64| [self.mirror * (p[0] + turn * self.pitch), self.up * p[1]];
        let mut line: Vec<Point> = Vec::new();
        for turn in [-0.5, 0.5] {
            line.extend(field.section().iter().map(|p| place(p, turn)));
        }
        line
    }

    /// Bounds of such a drawing.
    pub fn bounds(&self, deepest: f64) -> [f64; 4] {
        let (wide, deep) = (self.pitch * 1.04, deepest.max(0.1) * 1.25);
        let above = deepest.max(0.1) * 0.14;
        if self.up < 0.0 { [-wide, -deep, wide, above] } else { [-wide, -above, wide, deep] }
    }

    /// Metal under a section, down to the drawing's edge.
    pub fn metal(&self, role: &'static str, section: &[Point], deepest: f64) -> Shape {
        let bottom = self.up * deepest.max(0.1) * 1.25;
        let mut line = section.to_vec();
        if let (Some(first), Some(last)) = (section.first(), section.last()) {
            line.extend([[last[0], bottom], [first[0], bottom]]);
        }
        Shape::closed(role, line)
    }
}
