//! The groove filling, pass by pass, to scale: all passes in one drawing for the plan, and each by itself, as simulated, on request.

use super::groove::{Chip, Edge, Field};
use super::schedule::PassKind;
use super::section::PassRow;
use super::style::{self, StyleSaid};
use super::what_if::{self, WhatIf};
use crate::outline::{Dimension, Drawing, Point, Shape};
use crate::plan::Plan;
use crate::setup::Carriage;
use crate::thread::Side;
use crate::working::Quantity;
use serde::Serialize;

/// One pass, simulated.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct PassCut {
    /// Its number.
    pub n: u32,
    /// What it is for.
    pub kind: PassKind,
    /// What it takes, by the part of the edge that takes it.
    pub chip: Chip,
    /// What is left to take, mm².
    pub left_mm2: f64,
    /// What is left of the crest.
    pub crest_mm: Quantity,
    /// In words.
    pub says: String,
    /// The section it leaves, its own chip shown, what is to come in blue.
    pub drawing: Drawing,
}

/// The groove as the tool as ground leaves it, pass by pass, and what a mistake would do to it.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct GrooveSheet {
    /// All passes in one drawing.
    pub all: Drawing,
    /// Pass by pass.
    pub passes: Vec<PassCut>,
    /// Styles side by side.
    pub styles: Vec<StyleSaid>,
    /// What a mistake would do.
    pub what_if: Vec<WhatIf>,
}

/// Everything the simulation takes from a plan.
pub(super) struct Cutting<'a> {
    pub pitch: f64,
    pub alpha_deg: f64,
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
    pub fn of(plan: &'a Plan) -> Self {
        let cut = &plan.cut;
        let alpha_deg = plan.thread.half_angle_deg;
        let angles = plan.bit.ground.as_ref().map_or([alpha_deg; 2], |g| [g.leading_deg.value, g.trailing_deg.value]);
        let full = cut.passes.iter().map(|p| p.radial_mm).fold(0.0, f64::max);
        let reach = 4.0 * full + 1.0;
        Self {
            pitch: plan.thread.pitch_mm.value,
            alpha_deg,
            form: style::edge(plan.bit.flat_mm.value, plan.bit.radius_mm.as_ref().map(|r| r.value), angles, reach),
            rough: style::edge(cut.stocking_flat_mm.as_ref().map_or(plan.bit.flat_mm.value, |f| f.value), None, [alpha_deg; 2], reach),
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

/// What lies between two sections.
fn between(role: &'static str, upper: &[Point], lower: &[Point]) -> Shape {
    Shape::closed(role, upper.iter().chain(lower.iter().rev()).copied().collect())
}

/// Simulates the plan's passes with the tool as ground, and each mistake.
#[must_use]
pub fn groove_sheet(plan: &Plan) -> GrooveSheet {
    let cutting = Cutting::of(plan);
    let finished = cutting.run(|_, s| s);
    let end = cutting.drawn(&finished);
    let (whole, deepest) = (finished.area(), finished.deepest());
    let mut field = Field::uncut(cutting.pitch);
    let mut before = cutting.drawn(&field);
    let passes = cutting
        .passes
        .iter()
        .map(|pass| {
            let stroke = cutting.stroke(pass);
            let chip = field.cut(cutting.edge(pass), stroke.at, stroke.depth);
            let now = cutting.drawn(&field);
            let left = ((whole - field.area()).max(0.0) * 1e4).round() / 1e4;
            let mut shapes = vec![cutting.metal("cut.metal", &end, deepest), between("cut.pass", &now, &end)];
            if chip.area() > 1e-9 {
                shapes.push(between("cut.chip", &before, &now));
            }
            shapes.push(Shape::open("cut.surface", now.clone()));
            before = now;
            let chip = chip.rounded();
            let crest = Quantity::length(field.crest());
            PassCut {
                n: pass.n,
                kind: pass.kind,
                says: format!("{:.3} mm² this pass, {left:.3} mm² to come; the crest is {} wide.", chip.area(), crest.text),
                chip,
                left_mm2: left,
                drawing: Drawing {
                    says: format!("The groove after this pass, {:.3} mm deep; {left:.3} mm² still to come.", stroke.depth),
                    bounds: cutting.bounds(deepest),
                    shapes,
                    dimensions: Vec::new(),
                },
                crest_mm: crest,
            }
        })
        .collect();
    GrooveSheet { all: plan.cut.drawing.clone(), passes, styles: plan.cut.styles.clone(), what_if: what_if::all(plan, &cutting, &finished) }
}

/// One groove: the blank's surface at y 0, each pass as the section it leaves. The headstock lies to
/// the left; the slide leans so that the bit's leading side does the cutting.
pub(super) fn groove(passes: &[PassRow], flat: f64, alpha_deg: f64, beta_deg: f64, total: f64, external: bool, toward_headstock: bool) -> Drawing {
    let (tan_a, tan_b) = (alpha_deg.to_radians().tan(), beta_deg.to_radians().tan());
    let down = if external { -1.0 } else { 1.0 };
    let lean = if toward_headstock { 1.0 } else { -1.0 };
    let section = |x: f64| {
        let centre = lean * (total - x) * tan_b;
        let half = flat / 2.0;
        vec![[centre - half - x * tan_a, 0.0], [centre - half, down * x], [centre + half, down * x], [centre + half + x * tan_a, 0.0]]
    };
    let wide = (flat / 2.0 + total.max(0.1) * tan_a) * 1.5;
    let deep = total.max(0.1) * 1.25;
    let mut shapes = vec![Shape::closed("cut.metal", vec![[-wide, 0.0], [wide, 0.0], [wide, down * deep], [-wide, down * deep]])];
    // Deepest first, so that shallower sections lie over it and each pass shows as its own band.
    let mut seen = -1.0;
    for pass in passes.iter().rev() {
        if (pass.radial_mm - seen).abs() > 1e-9 {
            shapes.push(Shape::closed("cut.pass", section(pass.radial_mm)).labelled(pass.n.to_string()));
            seen = pass.radial_mm;
        }
    }
    shapes.push(Shape::open("cut.surface", vec![[-wide, 0.0], [wide, 0.0]]));
    let (low, high) = if external { (-deep, total * 0.12) } else { (-total * 0.12, deep) };
    Drawing {
        says: format!("The groove filling in {} passes to {total:.3} mm deep, tip {flat:.2} mm wide.", passes.len()),
        bounds: [-wide * 1.02, low, wide * 1.5, high],
        shapes,
        dimensions: vec![Dimension {
            name: "radial",
            says: "radial infeed from touch",
            figure: Quantity::length(total),
            from: [wide * 0.92, 0.0],
            to: [wide * 0.92, down * total],
        }],
    }
}
