//! The bit drawn to scale: its three views, its tip magnified, the room it has in the groove, the relief tool and the bore.
//!
//! Worked from the sections on demand: they would be the largest part of a plan, and only one screen shows them.

use super::grind::{LEAST_DEG, SideGrind};
use super::steps::steps;
use super::{BitSection, ReliefTool};
use crate::outline::{Dimension, Drawing, Point, Shape};
use crate::say;
use crate::thread::{Side, ThreadSection};
use crate::voice::Voice;
use crate::working::Quantity;
use serde::Serialize;

/// The drawings of a bit, and how it is ground.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct BitSheet {
    /// From above, from the front and from the side.
    pub views: Drawing,
    /// The tip in its groove at full depth, magnified.
    pub tip: Drawing,
    /// From the point, at the pitch line: the room under each side.
    pub groove: Drawing,
    /// The relief tool from above.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub relief_tool: Option<Drawing>,
    /// The bar picked, or the likeliest, going into the bore.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub bore: Option<Drawing>,
    /// Grinding it, step by step.
    pub steps: Vec<String>,
}

/// Square blanks as they are sold, mm.
const BLANKS_MM: [f64; 9] = [5.0, 6.0, 8.0, 10.0, 12.0, 16.0, 20.0, 25.0, 32.0];

/// Draws the bit; `depth_mm` is the radial depth of the cut.
#[must_use]
pub fn sheet(thread: &ThreadSection, bit: &BitSection, depth_mm: f64, voice: Voice) -> BitSheet {
    BitSheet {
        views: views(thread, bit, depth_mm, voice),
        tip: tip(thread, bit, depth_mm, voice),
        groove: groove(thread, bit, voice),
        relief_tool: bit.relief_tool.as_ref().map(|tool| relief_tool(tool, voice)),
        bore: bore(bit, voice),
        steps: steps(thread, bit, voice),
    }
}

fn tan(deg: f64) -> f64 {
    deg.to_radians().tan()
}

/// The edge of a tip seen in the face, from left to right: flat, or round and tangent to both flanks. The point is at y 0.
fn edge(flat: f64, radius: Option<f64>, [left, right]: [f64; 2]) -> Vec<Point> {
    const STEPS: i32 = 12;
    match radius {
        Some(r) if r > 0.0 => (-STEPS..=STEPS)
            .map(|i| {
                let half_deg = if i < 0 { left } else { right };
                let turn = ((90.0 - half_deg) * f64::from(i) / f64::from(STEPS)).to_radians();
                [r * turn.sin(), r * (turn.cos() - 1.0)]
            })
            .collect(),
        _ => vec![[-flat / 2.0, 0.0], [flat / 2.0, 0.0]],
    }
}

/// An arc from one direction to another about a point, in degrees from the right, anticlockwise.
fn arc([x, y]: Point, r: f64, from: f64, to: f64) -> Shape {
    let line = (0..=12).map(|i| from + (to - from) * f64::from(i) / 12.0).map(|a| [x + r * a.to_radians().cos(), y + r * a.to_radians().sin()]);
    Shape::open("line.angle", line.collect())
}

/// Whether the leading side stands on the left of the bit held face up with its point away.
fn lead_left(bit: &BitSection) -> bool {
    bit.grind.sides[0].held == "left"
}

/// Where the three views stand, mm: from above with its point at nought, the front beside it, the side under the front.
struct Views<'a> {
    bit: &'a BitSection,
    /// Half angles as drawn, left and right.
    halves: [f64; 2],
    /// Width of blank the point uses, and of the blank.
    width: f64,
    size: f64,
    point_long: f64,
    long: f64,
    /// The blank's sides about the point: even, or with the point over toward the shoulder.
    left: f64,
    right: f64,
    gap: f64,
    /// The middle of the front view, and its top.
    front_x: f64,
    top: f64,
    /// The point in the side view.
    side_x: f64,
    side_y: f64,
    side_long: f64,
}

impl<'a> Views<'a> {
    fn of(thread: &ThreadSection, bit: &'a BitSection, depth: f64) -> Self {
        let flanks = thread.flanks();
        // In a raked face each is ground in the same share.
        let raked = bit.grind.raked_deg.as_ref().map_or(1.0, |q| q.value / flanks.included_deg());
        let [leading, trailing] = flanks.both().map(|flank| flank * raked);
        let halves = if lead_left(bit) { [leading, trailing] } else { [trailing, leading] };
        let width = bit.grind.width_mm.value;
        let size = BLANKS_MM.into_iter().find(|b| *b >= width + 1.0).unwrap_or(width * 1.3);
        let point_long = depth * 1.25 + 0.5;
        let long = point_long + size * 0.9;
        let shoulder_left = bit.grind.sides.iter().any(|s| s.to_headstock && s.held == "left");
        let (left, right) = match (&bit.grind.offset_mm, shoulder_left) {
            (Some(o), true) => (-o.value, size - o.value),
            (Some(o), false) => (o.value - size, o.value),
            (None, _) => (-size / 2.0, size / 2.0),
        };
        // Over the third, both beside the first: so they fill a frame wider than it is high.
        let (gap, top) = (size * 0.75, size * 0.55);
        let front_x = right + gap * 2.0 + right.max(-left);
        let (side_x, side_y) = (front_x - right, top - size - gap * 0.9);
        Self { bit, halves, width, size, point_long, long, left, right, gap, front_x, top, side_x, side_y, side_long: long.min(size * 1.6) }
    }

    /// The edge, both flanks back to the blank or to the end of the point, and its body.
    fn above(&self) -> [Shape; 3] {
        let [half_left, half_right] = self.halves;
        let mut line = edge(self.bit.flat_mm.value, self.bit.radius_mm.as_ref().map(|r| r.value), self.halves);
        let (start, end) = (line[0], line[line.len() - 1]);
        let reach = |from: Point, side: f64, wall: f64| {
            let half = if side < 0.0 { half_left } else { half_right };
            let x = (from[0] + side * (self.point_long + from[1]) * tan(half)).clamp(self.left.min(-1e-6), self.right.max(1e-6));
            let x = if half <= 0.0 { from[0] } else { x };
            let y = if half <= 0.0 { -self.point_long } else { from[1] - (x - from[0]).abs() / tan(half) };
            [[x, y], [wall, y.max(-self.point_long)], [wall, -self.long]]
        };
        line.extend(reach(end, 1.0, self.right));
        line.extend(reach(start, -1.0, self.left).into_iter().rev());
        [
            Shape::closed("bit.face", line),
            Shape::open("line.centre", vec![[0.0, self.size * 0.12], [0.0, -self.long]]),
            arc([0.0, -self.point_long], self.point_long * 0.62, 90.0 - half_right, 90.0 + half_left),
        ]
    }

    /// From the front left and right change over: each side falls in under the face.
    fn front(&self) -> [Shape; 3] {
        let [a, b] = &self.bit.grind.sides;
        let (held_left, held_right) = if lead_left(self.bit) { (a, b) } else { (b, a) };
        let (lean_left, lean_right) = (held_right.front_deg.value, held_left.front_deg.value);
        let (x, top, tall) = (self.front_x, self.top, self.size);
        let fall = |half: f64| {
            let closing = tan(lean_left) + tan(lean_right);
            let until = if closing > 0.0 { tall.min(2.0 * half / closing) } else { tall };
            vec![[x - half, top], [x + half, top], [x + half - until * tan(lean_right), top - until], [x - half + until * tan(lean_left), top - until]]
        };
        [
            Shape::rect("bit.blank", [x - self.right, top - tall], [x - self.left, top]),
            Shape::closed("bit.side", fall(self.width / 2.0)),
            Shape::closed("bit.end", fall(self.bit.flat_mm.value / 2.0)),
        ]
    }

    /// From the side, the point to the left: the nose falls back under the tip.
    fn side(&self) -> [Shape; 2] {
        let (x, y, tall) = (self.side_x, self.side_y, self.size);
        let foot = x + (tall * tan(self.bit.grind.nose_deg.value)).min(self.side_long * 0.8);
        [
            Shape::closed("bit.side", vec![[x, y], [x + self.side_long, y], [x + self.side_long, y - tall], [foot, y - tall]]),
            Shape::open("line.centre", vec![[x, y], [x, y - tall]]),
        ]
    }

    /// From where each is seen, and which side leads.
    fn words(&self, voice: Voice) -> [Shape; 5] {
        let Self { left, right, long, size, gap, .. } = *self;
        let [lead, trail] = &self.bit.grind.sides;
        let (before, after) = (left - gap * 0.55, right + gap * 0.55);
        let (lead_x, trail_x) = if lead_left(self.bit) { (before, after) } else { (after, before) };
        let under = size * 1.2;
        [
            Shape::word([(left + right) / 2.0, -long - size * 0.2], say!(voice, "seen-from-above")),
            Shape::word([self.front_x - (left + right) / 2.0, self.top - under], say!(voice, "seen-from-front")),
            Shape::word([self.side_x + self.side_long / 2.0, self.side_y - under], say!(voice, "seen-from-side")),
            Shape::word([lead_x, -long * 0.55], say!(voice, "bit-side", side = lead.side)),
            Shape::word([trail_x, -long * 0.55], say!(voice, "bit-side", side = trail.side)),
        ]
    }

    fn dimensions(&self, voice: Voice) -> Vec<Dimension> {
        let [lead, trail] = &self.bit.grind.sides;
        let (tall, nose) = (self.size, &self.bit.grind.nose_deg);
        // In the front view the side held left stands on the right; each figure on its own side.
        let lead_x = if lead_left(self.bit) { 1.0 } else { -1.0 };
        let beside = |side: f64| [self.front_x + side * self.width / 2.0, self.top - tall * 0.3];
        let over = self.top + self.gap * 0.12;
        vec![
            Dimension::at("included_angle", say!(voice, "dim-included-angle"), Quantity::by_eye(self.halves.iter().sum::<f64>()), [0.0, -self.point_long]),
            Dimension::at("leading_relief", say!(voice, "dim-leading-relief"), lead.front_deg.clone(), beside(lead_x)),
            Dimension::at("trailing_relief", say!(voice, "dim-trailing-relief"), trail.front_deg.clone(), beside(-lead_x)),
            Dimension::at(
                "nose_relief",
                say!(voice, "dim-nose-relief"),
                nose.clone(),
                [self.side_x + tall * tan(nose.value) * 0.5 + self.size * 0.1, self.side_y - tall * 0.55],
            ),
            Dimension::new(
                "width_used",
                say!(voice, "dim-width-used"),
                self.bit.grind.width_mm.clone(),
                [self.front_x - self.width / 2.0, over],
                [self.front_x + self.width / 2.0, over],
            ),
        ]
    }
}

fn views(thread: &ThreadSection, bit: &BitSection, depth: f64, voice: Voice) -> Drawing {
    let at = Views::of(thread, bit, depth);
    let [lead, trail] = &bit.grind.sides;
    let mut shapes: Vec<Shape> = at.above().into();
    shapes.extend(at.front());
    shapes.extend(at.side());
    shapes.extend(at.words(voice));
    Drawing::shared(
        voice,
        say!(
            voice,
            "bit-drawn",
            angle = voice.angle(at.halves.iter().sum()),
            leading = &lead.front_deg.text,
            trailing = &trail.front_deg.text,
            nose = &bit.grind.nose_deg.text
        ),
        [at.left, -at.long, at.side_x + at.side_long, at.top],
        shapes,
        at.dimensions(voice),
    )
}

fn tip(thread: &ThreadSection, bit: &BitSection, depth: f64, voice: Voice) -> Drawing {
    let pitch = thread.pitch_mm.value;
    let flanks = thread.flanks();
    let half = flanks.half_deg();
    let [lead, trail] = bit.ground.as_ref().map_or_else(|| flanks.both(), |g| [g.leading_deg.value, g.trailing_deg.value]);
    // As on the lathe seen from above, the headstock to the left.
    let lead_left = bit.grind.sides[0].to_headstock;
    let (to_left, to_right) = if lead_left { (lead, trail) } else { (trail, lead) };
    let out = if thread.side == Side::External { -1.0 } else { 1.0 };
    let h = bit.tip_to_pitch_mm.value;
    let edge: Vec<Point> =
        edge(bit.flat_mm.value, bit.radius_mm.as_ref().map(|r| r.value), if lead_left { flanks.both() } else { [flanks.trailing, flanks.leading] })
            .into_iter()
            .map(|[x, y]| [x, out * (depth + y)])
            .collect();
    let (start, end) = (edge[0], edge[edge.len() - 1]);
    // Up both flanks to a height over the surface.
    let up = |from: Point, side: f64, deg: f64, over: f64| [from[0] + side * ((from[1] * out) + over) * tan(deg), -out * over];
    let wide = pitch * 0.95;
    let back = out * (depth + pitch * 0.45);
    let mut metal = vec![[-wide, 0.0], up(start, -1.0, to_left, 0.0)];
    metal.extend(&edge);
    metal.extend([up(end, 1.0, to_right, 0.0), [wide, 0.0], [wide, back], [-wide, back]]);
    let over = pitch * 0.3;
    let mut face = vec![up(start, -1.0, to_left, over)];
    face.extend(&edge);
    face.push(up(end, 1.0, to_right, over));
    let level = out * (depth - h);
    let mut shapes = vec![
        Shape::closed("thread.metal", metal),
        Shape::closed("bit.face", face),
        Shape::open("line.pitch", vec![[-wide * 1.8, level], [wide * 1.05, level]]),
    ];
    if half > 0.0 {
        // Where the narrowest and the widest flat allowed would stand in the same V.
        let apex = depth + bit.flat_mm.value / (2.0 * tan(half));
        for flat in [bit.tip_flat_mm.min.value, bit.tip_flat_mm.max.value] {
            let y = out * (apex - flat / (2.0 * tan(half)));
            shapes.push(Shape::open("bit.limit", vec![[-flat / 2.0 - pitch * 0.08, y], [flat / 2.0 + pitch * 0.08, y]]));
        }
    }
    shapes.push(Shape::word([-wide * 1.35, level + pitch * 0.03], say!(voice, "pitch-line")));
    let floor = out * depth;
    let flat = bit.radius_mm.clone().unwrap_or_else(|| bit.flat_mm.clone());
    let (low, high) = if out < 0.0 { (back, over) } else { (-over, back) };
    Drawing::framed(
        voice,
        say!(voice, "bit-tip-drawn", depth = voice.length(depth), past = voice.length(h)),
        [-wide, low, wide, high],
        shapes,
        vec![
            Dimension::at(
                if bit.radius_mm.is_some() { "tip_corner" } else { "tip_flat" },
                say!(voice, "dim-tip"),
                flat,
                [-pitch * 0.12, floor + out * pitch * 0.14 - pitch * 0.03],
            ),
            Dimension::new("tip_to_pitch", say!(voice, "dim-tip-to-pitch"), bit.tip_to_pitch_mm.clone(), [-wide * 1.75, level], [-wide * 1.75, floor]),
            Dimension::new("depth", say!(voice, "dim-radial-depth"), Quantity::length(voice, depth), [wide * 1.15, 0.0], [wide * 1.15, floor]),
        ],
    )
}

/// From the point, at the pitch line: the groove's walls run under the edge with the lead, the bit's sides fall in from it.
fn groove(thread: &ThreadSection, bit: &BitSection, voice: Voice) -> Drawing {
    let wide = thread.pitch_mm.value / 2.0;
    let tall = wide * 1.5;
    let lead_x = if lead_left(bit) { 1.0 } else { -1.0 };
    let margin = |side: &SideGrind| side.ground_deg.unwrap_or(side.front_deg.value) - side.rise_deg;
    let sides: Vec<f64> = bit.grind.sides.iter().map(|s| tall * tan(s.rise_deg + margin(s))).collect();
    let body =
        vec![[lead_x * wide / 2.0, 0.0], [-lead_x * wide / 2.0, 0.0], [-lead_x * (wide / 2.0 - sides[1]), -tall], [lead_x * (wide / 2.0 - sides[0]), -tall]];
    // The bit first: where a side rubs, its margin lies inside it and must be seen.
    let mut shapes = vec![Shape::closed("bit.face", body)];
    let mut dimensions = Vec::new();
    for (side, x, name, says) in [
        (&bit.grind.sides[0], lead_x, "leading_margin", say!(voice, "dim-leading-room")),
        (&bit.grind.sides[1], -lead_x, "trailing_margin", say!(voice, "dim-trailing-room")),
    ] {
        let edge = x * wide / 2.0;
        let wall = edge - x * tall * tan(side.rise_deg);
        let flank = edge - x * tall * tan(side.rise_deg + margin(side));
        let outer = x * wide * 1.6;
        shapes.push(Shape::closed("thread.metal", vec![[edge, 0.0], [outer, 0.0], [outer, -tall], [wall, -tall]]));
        let role = match margin(side) {
            m if m <= 0.0 => "margin.rub",
            m if m < LEAST_DEG => "margin.thin",
            _ => "margin.free",
        };
        shapes.push(Shape::closed(role, vec![[edge, 0.0], [wall, -tall], [flank, -tall]]));
        shapes.push(Shape::word([x * wide * 1.05, tall * 0.08], say!(voice, "bit-side", side = side.side)));
        dimensions.push(Dimension::at(name, says, Quantity::by_eye(margin(side)), [x * wide * 1.05 - wide * 0.3, -tall * 0.55]));
    }
    shapes.push(Shape::word([0.0, -tall * 1.12], say!(voice, "seen-at-point")));
    Drawing::new(
        voice,
        say!(voice, "bit-groove-drawn", leading = voice.eye(margin(&bit.grind.sides[0])), trailing = voice.eye(margin(&bit.grind.sides[1]))),
        shapes,
        dimensions,
    )
}

fn relief_tool(tool: &ReliefTool, voice: Voice) -> Drawing {
    let [wide, back, long, corner] = [&tool.width_mm, &tool.back_mm, &tool.blade_mm, &tool.corner_mm].map(|q| q.value);
    let body = wide * 2.2 + 4.0;
    let quarter =
        |x: f64, from: f64| (0..=6).map(move |i| (from - 15.0 * f64::from(i)).to_radians()).map(move |a| [x + corner * a.cos(), corner * (a.sin() - 1.0)]);
    let mut line: Vec<Point> = quarter(corner - wide / 2.0, 180.0).collect();
    line.extend(quarter(wide / 2.0 - corner, 90.0));
    line.extend([
        [back / 2.0, -long],
        [body / 2.0, -long],
        [body / 2.0, -long - body * 0.6],
        [-body / 2.0, -long - body * 0.6],
        [-body / 2.0, -long],
        [-back / 2.0, -long],
    ]);
    Drawing::new(
        voice,
        say!(voice, "bit-relief-tool-drawn", wide = voice.length(wide), long = voice.length(long)),
        vec![Shape::closed("bit.face", line)],
        vec![
            Dimension::new("blade_width", say!(voice, "dim-edge-width"), tool.width_mm.clone(), [-wide / 2.0, wide * 0.25], [wide / 2.0, wide * 0.25]),
            Dimension::new("blade_length", say!(voice, "dim-blade-length"), tool.blade_mm.clone(), [body * 0.62, 0.0], [body * 0.62, -long]),
        ],
    )
}

/// The bar against the bore, its tip withdrawn as far as it goes.
fn bore(bit: &BitSection, voice: Voice) -> Option<Drawing> {
    let span = bit.drawer.span_mm.as_ref()?;
    let tool = bit.drawer.tools.iter().find(|t| t.bar_mm.is_some())?;
    let [own, thick] = tool.bar_mm?;
    // The span let in is the bore less half a millimetre each side.
    let radius = span.value / 2.0 + super::bar::ROOM_MM;
    let back = super::bar::ROOM_MM - radius;
    let tip = back + own;
    let role = if tip > radius { "margin.rub" } else { "bit.side" };
    let size = 2.0 * radius.max(own);
    Some(Drawing::new(
        voice,
        say!(voice, "bit-bar-drawn", tool = &tool.name, own = voice.length(own), span = &span.text),
        vec![
            Shape::circle("bore.wall", [0.0, 0.0], radius),
            Shape::circle(role, [back + thick / 2.0, 0.0], thick / 2.0),
            Shape::closed(role, vec![[back + thick * 0.8, thick * 0.22], [tip, 0.0], [tip - thick * 0.03, -thick * 0.12], [back + thick * 0.8, -thick * 0.3]]),
            Shape::word([radius * 0.2, radius * 0.45], tool.name.clone()),
        ],
        vec![
            Dimension::new("bar_span", say!(voice, "dim-bar-span"), Quantity::length(voice, own), [back, radius + size * 0.03], [tip, radius + size * 0.03]),
            Dimension::new(
                "bore_lets_in",
                say!(voice, "dim-bore-lets-in"),
                span.clone(),
                [back, -radius - size * 0.12],
                [radius - super::bar::ROOM_MM, -radius - size * 0.12],
            ),
        ],
    ))
}
