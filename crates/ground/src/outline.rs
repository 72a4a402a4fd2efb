//! Drawings as lines, arcs and circles in mm, each with a role, and their named dimensions.
//!
//! Screen and file draw the same outline, so they cannot disagree. The y axis points up.

use crate::working::Quantity;
use serde::{Serialize, Serializer};

/// A point in mm.
pub type Point = [f64; 2];

/// One line of figures on a drawing.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Shape {
    /// What it is: `thread.flank`, `wire.seated`.
    pub role: &'static str,
    /// Corner points of an open or closed line; empty for a circle.
    #[serde(skip_serializing_if = "Vec::is_empty", serialize_with = "points")]
    #[cfg_attr(feature = "schema", schema(value_type = Vec<Vec<f64>>))]
    pub line: Vec<Point>,
    /// Whether the line closes on itself.
    #[serde(skip_serializing_if = "std::ops::Not::not")]
    pub closed: bool,
    /// A circle: centre and radius.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub circle: Option<Circle>,
    /// A word to write by it.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub label: Option<String>,
}

/// A circle, with the way it turns seen from the tailstock end where that matters.
#[derive(Debug, Clone, Copy, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Circle {
    /// Centre x, mm.
    #[serde(serialize_with = "place")]
    pub x: f64,
    /// Centre y, mm.
    #[serde(serialize_with = "place")]
    pub y: f64,
    /// Radius, mm.
    #[serde(serialize_with = "place")]
    pub r: f64,
    /// 1 anticlockwise, −1 clockwise, as drawn; absent when it does not turn.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub turns: Option<i8>,
}

/// A named dimension between two points.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Dimension {
    /// Stable name.
    pub name: &'static str,
    /// What it measures, in plain words.
    pub says: &'static str,
    /// The figure.
    pub figure: Quantity,
    /// One end, mm.
    #[serde(serialize_with = "point")]
    #[cfg_attr(feature = "schema", schema(value_type = Vec<f64>))]
    pub from: Point,
    /// The other end, mm.
    #[serde(serialize_with = "point")]
    #[cfg_attr(feature = "schema", schema(value_type = Vec<f64>))]
    pub to: Point,
}

/// A drawing to scale.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Drawing {
    /// The same in words, for those who cannot see it.
    pub says: String,
    /// Left, bottom, right, top in mm.
    #[serde(serialize_with = "bounds")]
    #[cfg_attr(feature = "schema", schema(value_type = Vec<f64>))]
    pub bounds: [f64; 4],
    /// Lines and circles, back to front.
    pub shapes: Vec<Shape>,
    /// Dimensions in reading order.
    pub dimensions: Vec<Dimension>,
}

impl Shape {
    /// An open line.
    #[must_use]
    pub const fn open(role: &'static str, line: Vec<Point>) -> Self {
        Self { role, line, closed: false, circle: None, label: None }
    }

    /// A closed line.
    #[must_use]
    pub const fn closed(role: &'static str, line: Vec<Point>) -> Self {
        Self { role, line, closed: true, circle: None, label: None }
    }

    /// A rectangle by its lower left and upper right corners.
    #[must_use]
    pub fn rect(role: &'static str, [left, bottom]: Point, [right, top]: Point) -> Self {
        Self::closed(role, vec![[left, bottom], [right, bottom], [right, top], [left, top]])
    }

    /// A word standing over a point.
    #[must_use]
    pub fn word(at: Point, text: impl Into<String>) -> Self {
        Self::open("word", vec![at]).labelled(text)
    }

    /// A circle.
    #[must_use]
    pub fn circle(role: &'static str, [x, y]: Point, r: f64) -> Self {
        Self { role, line: Vec::new(), closed: false, circle: Some(Circle { x: tidy(x), y: tidy(y), r: tidy(r), turns: None }), label: None }
    }

    /// The same with a word by it.
    #[must_use]
    pub fn labelled(mut self, label: impl Into<String>) -> Self {
        self.label = Some(label.into());
        self
    }

    /// The same circle, turning.
    #[must_use]
    pub fn turning(mut self, turns: i8) -> Self {
        if let Some(circle) = &mut self.circle {
            circle.turns = Some(turns);
        }
        self
    }
}

/// A tenth of a micrometre is finer than any screen or printer.
fn tidy(v: f64) -> f64 {
    (v * 1e4).round() / 1e4
}

#[allow(clippy::trivially_copy_pass_by_ref)] // serde's signature
fn bounds<S: Serializer>(corners: &[f64; 4], serializer: S) -> Result<S::Ok, S::Error> {
    serializer.collect_seq(corners.iter().map(|c| tidy(*c)))
}

#[allow(clippy::trivially_copy_pass_by_ref)] // serde's signature
fn place<S: Serializer>(at: &f64, serializer: S) -> Result<S::Ok, S::Error> {
    serializer.serialize_f64(tidy(*at))
}

fn point<S: Serializer>(at: &Point, serializer: S) -> Result<S::Ok, S::Error> {
    serializer.collect_seq(at.map(tidy))
}

fn points<S: Serializer>(line: &[Point], serializer: S) -> Result<S::Ok, S::Error> {
    serializer.collect_seq(line.iter().map(|p| p.map(tidy)))
}

/// An arrow from one point to another, its head filled.
pub fn arrow(from: Point, to: Point) -> [Shape; 2] {
    let (dx, dy) = (to[0] - from[0], to[1] - from[1]);
    let long = dx.hypot(dy).max(1e-9);
    let (ux, uy) = (dx / long, dy / long);
    let back = |side: f64| [to[0] - 12.0 * ux - side * 6.0 * uy, to[1] - 12.0 * uy + side * 6.0 * ux];
    [Shape::open("motion.way", vec![from, [to[0] - 10.0 * ux, to[1] - 10.0 * uy]]), Shape::closed("motion.head", vec![to, back(1.0), back(-1.0)])]
}
