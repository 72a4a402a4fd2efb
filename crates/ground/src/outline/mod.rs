//! Drawings as lines, arcs and circles in mm, each with a role, and their named dimensions.
//!
//! Screen and file draw the same outline, so they cannot disagree. The y axis points up.

pub mod lay;

use crate::voice::Voice;
use crate::working::Quantity;
use serde::{Serialize, Serializer};
use std::borrow::Cow;

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
    /// Teeth about the circle.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub teeth: Option<Teeth>,
    /// A word to write by it.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub label: Option<String>,
    /// Height of its letters, mm, where they are not the drawing's own.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub letter_mm: Option<f64>,
    /// Which of several it is, where one may be touched by itself.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub part: Option<String>,
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

/// Teeth about a circle, which is their pitch circle.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Teeth {
    /// How many.
    pub count: u16,
    /// One of them with its side of the root, about the circle's middle, mm; the others are it turned.
    #[serde(serialize_with = "tooth")]
    #[cfg_attr(feature = "schema", schema(value_type = Vec<Vec<f64>>))]
    pub tooth: Vec<Point>,
}

impl Teeth {
    /// The whole outline about a middle.
    pub fn outline(&self, [x, y]: Point) -> impl Iterator<Item = Point> + '_ {
        let step = std::f64::consts::TAU / f64::from(self.count.max(1));
        (0..self.count).flat_map(move |i| {
            let (sin, cos) = (step * f64::from(i)).sin_cos();
            self.tooth.iter().map(move |[a, b]| [x + a * cos - b * sin, y + a * sin + b * cos])
        })
    }
}

/// A named dimension between two points.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Dimension {
    /// Stable name.
    #[cfg_attr(feature = "schema", schema(value_type = String))]
    pub name: Cow<'static, str>,
    /// What it measures, in plain words.
    pub says: String,
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
    /// What stands before the figure: `⌀ ` of a diameter, `R ` of a radius.
    #[serde(skip_serializing_if = "String::is_empty")]
    pub sign: String,
    /// Middle of its text, mm.
    #[serde(serialize_with = "point")]
    #[cfg_attr(feature = "schema", schema(value_type = Vec<f64>))]
    pub at: Point,
    /// Its line, witness lines, ticks and leader.
    #[serde(skip_serializing_if = "Vec::is_empty", serialize_with = "lines")]
    #[cfg_attr(feature = "schema", schema(value_type = Vec<Vec<Vec<f64>>>))]
    pub lines: Vec<[Point; 2]>,
}

impl Dimension {
    /// One from a place to another, along or across: what it measures is true, and the side it lies on is where it will stand.
    #[must_use]
    pub fn new(name: impl Into<Cow<'static, str>>, says: impl Into<String>, figure: Quantity, from: Point, to: Point) -> Self {
        Self { name: name.into(), says: says.into(), figure, from, to, sign: String::new(), at: from, lines: Vec::new() }
    }

    /// One that stands at a point.
    #[must_use]
    pub fn at(name: impl Into<Cow<'static, str>>, says: impl Into<String>, figure: Quantity, point: Point) -> Self {
        Self::new(name, says, figure, point, point)
    }

    /// The same with a sign before its figure.
    #[must_use]
    pub fn signed(self, sign: impl Into<String>) -> Self {
        Self { sign: sign.into(), ..self }
    }

    /// Its text.
    #[must_use]
    pub fn shown(&self) -> String {
        format!("{}{}", self.sign, self.figure.text)
    }
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
    /// Height of its letters, mm.
    #[serde(serialize_with = "place")]
    pub letter_mm: f64,
    /// Lines and circles, back to front.
    pub shapes: Vec<Shape>,
    /// Dimensions in reading order.
    pub dimensions: Vec<Dimension>,
}

impl Drawing {
    /// Lays lines, words and dimensions out for where they are read, their text placed where it stands on nothing (`lay`).
    #[must_use]
    pub fn new(voice: Voice, says: String, shapes: Vec<Shape>, dimensions: Vec<Dimension>) -> Self {
        Self::framed(voice, says, lay::frame(&shapes), shapes, dimensions)
    }

    fn laid(says: String, frame: [f64; 4], shapes: Vec<Shape>, dimensions: Vec<Dimension>, share: [f64; 2]) -> Self {
        lay::out(Self { says, bounds: frame, letter_mm: 0.0, shapes, dimensions }, frame, share)
    }

    /// The same in a frame it fills at least: left, bottom, right, top in mm.
    #[must_use]
    pub fn framed(voice: Voice, says: String, frame: [f64; 4], shapes: Vec<Shape>, dimensions: Vec<Dimension>) -> Self {
        Self::laid(says, frame, shapes, dimensions, lay::STATION.of(voice.stands))
    }

    /// The same of one that shares its station with something else, or stands in a leaf.
    #[must_use]
    pub fn shared(voice: Voice, says: String, frame: [f64; 4], shapes: Vec<Shape>, dimensions: Vec<Dimension>) -> Self {
        Self::laid(says, frame, shapes, dimensions, lay::SHARED.of(voice.stands))
    }

    /// The same in no larger a frame than its lines fill.
    #[must_use]
    pub fn sharing(voice: Voice, says: String, shapes: Vec<Shape>, dimensions: Vec<Dimension>) -> Self {
        Self::shared(voice, says, lay::frame(&shapes), shapes, dimensions)
    }

    /// The same of one with a list of its parts beside it.
    #[must_use]
    pub fn listed(voice: Voice, says: String, frame: [f64; 4], shapes: Vec<Shape>) -> Self {
        Self::laid(says, frame, shapes, Vec::new(), lay::LISTED.of(voice.stands))
    }

    /// The same of one shown small, as a chart or a dial beside other things: its letters are the larger for it.
    #[must_use]
    pub fn chart(voice: Voice, says: String, frame: [f64; 4], shapes: Vec<Shape>, dimensions: Vec<Dimension>) -> Self {
        Self::laid(says, frame, shapes, dimensions, lay::BESIDE.of(voice.stands))
    }

    /// The same in no larger a frame than its lines fill.
    #[must_use]
    pub fn beside(voice: Voice, says: String, shapes: Vec<Shape>, dimensions: Vec<Dimension>) -> Self {
        Self::chart(voice, says, lay::frame(&shapes), shapes, dimensions)
    }
}

impl Shape {
    /// An open line.
    #[must_use]
    pub const fn open(role: &'static str, line: Vec<Point>) -> Self {
        Self { role, line, closed: false, circle: None, teeth: None, label: None, letter_mm: None, part: None }
    }

    /// A closed line.
    #[must_use]
    pub const fn closed(role: &'static str, line: Vec<Point>) -> Self {
        Self { role, line, closed: true, circle: None, teeth: None, label: None, letter_mm: None, part: None }
    }

    /// A rectangle by its lower left and upper right corners.
    #[must_use]
    pub fn rect(role: &'static str, [left, bottom]: Point, [right, top]: Point) -> Self {
        Self::closed(role, vec![[left, bottom], [right, bottom], [right, top], [left, top]])
    }

    /// A word standing over a point.
    #[must_use]
    pub fn word(at: Point, text: impl Into<String>) -> Self {
        Self::said("word", at, text)
    }

    /// A word of a role of its own: `word.beside` a point, `word.count` on it, `word.teeth` of a gear.
    #[must_use]
    pub fn said(role: &'static str, at: Point, text: impl Into<String>) -> Self {
        Self::open(role, vec![at]).labelled(text)
    }

    /// A circle.
    #[must_use]
    pub fn circle(role: &'static str, [x, y]: Point, r: f64) -> Self {
        Self {
            role,
            line: Vec::new(),
            closed: false,
            circle: Some(Circle { x: tidy(x), y: tidy(y), r: tidy(r), turns: None }),
            teeth: None,
            label: None,
            letter_mm: None,
            part: None,
        }
    }

    /// The same, which may be touched by itself.
    #[must_use]
    pub fn touched_as(mut self, part: impl Into<String>) -> Self {
        self.part = Some(part.into());
        self
    }

    /// The same with a word by it.
    #[must_use]
    pub fn labelled(mut self, label: impl Into<String>) -> Self {
        self.label = Some(label.into());
        self
    }

    /// The same circle with teeth about it.
    #[must_use]
    pub fn toothed(mut self, count: u16, tooth: Vec<Point>) -> Self {
        self.teeth = Some(Teeth { count, tooth });
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

/// A micrometre is fine enough for a tooth, of which there are many.
fn tooth<S: Serializer>(line: &[Point], serializer: S) -> Result<S::Ok, S::Error> {
    serializer.collect_seq(line.iter().map(|p| p.map(|v| (v * 1e3).round() / 1e3)))
}

fn lines<S: Serializer>(all: &[[Point; 2]], serializer: S) -> Result<S::Ok, S::Error> {
    serializer.collect_seq(all.iter().map(|line| line.map(|p| p.map(tidy))))
}

/// An arrow from one point to another, its head filled and twelve of these units long.
pub fn arrow(from: Point, to: Point, unit: f64) -> [Shape; 2] {
    let (dx, dy) = (to[0] - from[0], to[1] - from[1]);
    let long = dx.hypot(dy).max(1e-9);
    let (ux, uy) = (dx / long, dy / long);
    let head = 12.0 * unit;
    let back = |side: f64| [to[0] - head * ux - side * head / 2.0 * uy, to[1] - head * uy + side * head / 2.0 * ux];
    let shaft = (long - head * 0.8).max(long * 0.1);
    [Shape::open("motion.way", vec![from, [from[0] + shaft * ux, from[1] + shaft * uy]]), Shape::closed("motion.head", vec![to, back(1.0), back(-1.0)])]
}
