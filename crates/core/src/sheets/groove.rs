//! The groove filling, pass by pass, to scale: all passes in one drawing for the plan, and each by itself, as simulated, on request.

use super::cutting::Cutting;
use super::own_figure::{OwnKind, kinds};
use super::what_if::{self, WhatIf};
use crate::cut::{Chip, Field, PassKind, StyleView};
use crate::outline::{Drawing, Point, Shape};
use crate::plan::Pointed;
use crate::say;
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
    /// Its chip by the edges that take it, in words.
    pub edges_says: String,
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
    pub styles: Vec<StyleView>,
    /// What a mistake would do.
    pub what_if: Vec<WhatIf>,
    /// Figures of one's own that may be tested here.
    pub own: Vec<OwnKind>,
}

/// What lies between two sections.
fn between(role: &'static str, upper: &[Point], lower: &[Point]) -> Shape {
    Shape::closed(role, upper.iter().chain(lower.iter().rev()).copied().collect())
}

/// Simulates the plan's passes with the tool as ground, and each mistake.
#[must_use]
pub fn groove_sheet(plan: &Pointed<'_>) -> GrooveSheet {
    let voice = plan.voice;
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
            let crest = Quantity::length(voice, field.crest());
            PassCut {
                n: pass.n,
                kind: pass.kind,
                says: say!(voice, "groove-this-pass", area = voice.area(chip.area()), left = voice.area(left), crest = &crest.text),
                edges_says: say!(
                    voice,
                    "groove-edges",
                    leading = voice.area(chip.leading_mm2),
                    tip = voice.area(chip.tip_mm2),
                    trailing = voice.area(chip.trailing_mm2)
                ),
                chip,
                left_mm2: left,
                drawing: Drawing::framed(
                    voice,
                    say!(voice, "groove-after", deep = voice.length(stroke.depth), left = voice.area(left)),
                    cutting.bounds(deepest),
                    shapes,
                    Vec::new(),
                ),
                crest_mm: crest,
            }
        })
        .collect();
    GrooveSheet { all: plan.cut.drawing.clone(), passes, styles: plan.cut.styles(), what_if: what_if::all(plan, &cutting, &finished), own: kinds(plan) }
}
