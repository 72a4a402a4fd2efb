//! A piece drawn whole: half in view above its axis, half in section below it, long stretches broken off.

use crate::job::{EndKind, PlainKind};
use crate::outline::{Dimension, Drawing, Point, Shape};
use crate::route::{Along, Member, OpKind, Operation, SAME_MM, Span, StretchKind};
use crate::say;
use crate::thread::Side;
use crate::voice::Voice;
use crate::working::Quantity;

/// A stretch longer than this many of the piece's diameters is shown broken off, and then so many long.
const BROKEN: [f64; 2] = [2.4, 1.7];

/// Where a place along the piece lies on the drawing: each stretch at its own length, or broken off.
struct Scale {
    /// Place along the piece and on the drawing, mm, in order.
    knots: Vec<[f64; 2]>,
    /// Middles of what is broken off, on the drawing.
    broken: Vec<f64>,
}

impl Scale {
    fn of(spans: &[Span], thick: f64, whole: bool) -> Self {
        let (mut knots, mut broken, mut at) = (vec![[0.0, 0.0]], Vec::new(), 0.0);
        for span in spans {
            let long = span.to - span.from;
            let shown = if long > BROKEN[0] * thick && !whole { BROKEN[1] * thick } else { long };
            if shown < long {
                broken.push(at + shown * 0.6);
            }
            at += shown;
            knots.push([span.to, at]);
        }
        Self { knots, broken }
    }

    fn at(&self, x: f64) -> f64 {
        let after = self.knots.iter().position(|k| k[0] >= x).unwrap_or(self.knots.len() - 1).max(1).min(self.knots.len() - 1);
        let [a, b] = [self.knots[after - 1], self.knots[after]];
        if b[0] - a[0] < 1e-9 { a[1] } else { a[1] + (b[1] - a[1]) * (x - a[0]) / (b[0] - a[0]) }
    }
}

/// What is drawn.
pub(super) struct Drawn<'a> {
    pub along: &'a Along,
    pub members: &'a [Member<'a>],
    pub ops: &'a [&'a Operation],
    pub says: String,
    /// Whether nothing is broken off: as a file has it.
    pub whole: bool,
}

impl Drawn<'_> {
    fn member(&self, span: &Span) -> Option<&Member<'_>> {
        self.members.iter().find(|m| m.job == span.job)
    }
}

/// The relief at the end of a thread, width and diameter, mm, where one is turned.
fn relief(member: &Member<'_>) -> Option<[f64; 2]> {
    let (blank, facts) = (&member.plan.blank, &member.facts.blank);
    let turned = blank.relief.as_ref().filter(|r| matches!(r.end, EndKind::Relief | EndKind::PlungedRing));
    turned
        .map(|r| [r.width_mm.value, r.diameter_mm.value])
        .or_else(|| member.plan.chaser.as_ref().and(facts.relief_width_mm.zip(facts.relief_diameter_mm)).map(|(w, d)| [w, d]))
}

/// The steps of one side, x on the drawing and radius, from left to right.
fn steps(drawn: &Drawn<'_>, spans: &[Span], scale: &Scale, inward: f64) -> Vec<Point> {
    let mut line: Vec<Point> = Vec::new();
    for span in spans {
        let (from, to) = (scale.at(span.from), scale.at(span.to));
        let Some(member) = drawn.member(span).filter(|_| span.stands == StretchKind::Thread) else {
            line.extend([[from, span.mm / 2.0], [to, span.mm / 2.0]]);
            continue;
        };
        let (r, chamfer) = (member.blank_mm() / 2.0, member.plan.blank.chamfer_mm.value / 2.0);
        let bevel = (r - chamfer).abs().min((to - from) / 4.0);
        let mut own: Vec<Point> = vec![[0.0, chamfer], [bevel, r]];
        match relief(member).filter(|[wide, _]| *wide < to - from) {
            Some([wide, diameter]) => own.extend([[to - from - wide, r], [to - from - wide, diameter / 2.0], [to - from, diameter / 2.0]]),
            None => own.push([to - from, r]),
        }
        // What stands on the second end lies mirrored.
        if span.far {
            line.extend(own.into_iter().rev().map(|p| [to - p[0], p[1]]));
        } else {
            line.extend(own.into_iter().map(|p| [from + p[0], p[1]]));
        }
    }
    // Grooves told to the route, turned into what stands there.
    for op in drawn.ops.iter().filter(|o| o.kind == OpKind::Groove && inward < 0.0) {
        let told = &op.told;
        let (Some(at), Some(wide), Some(deep)) = (told.at_mm, told.width_mm, told.depth_mm) else { continue };
        let (from, to) = (scale.at(at), scale.at(at + wide));
        let Some(r) = line.windows(2).find(|w| w[0][0] <= from + 1e-9 && to <= w[1][0] + 1e-9 && (w[0][1] - w[1][1]).abs() < 1e-9).map(|w| w[0][1]) else {
            continue;
        };
        let place = line.iter().position(|p| p[0] > from + 1e-9).unwrap_or(line.len());
        let floor = (r - deep).max(0.0);
        line.splice(place..place, [[from, r], [from, floor], [to, floor], [to, r]]);
    }
    line
}

/// The root of each thread, dashed.
fn roots(drawn: &Drawn<'_>, spans: &[Span], scale: &Scale, halves: &[f64]) -> Vec<Shape> {
    let threads = spans.iter().filter(|s| s.stands == StretchKind::Thread);
    threads
        .filter_map(|span| {
            let member = drawn.member(span)?;
            let wide = relief(member).map_or(0.0, |[wide, _]| wide);
            let (from, to) = (scale.at(span.from), scale.at(span.to));
            let [from, to] = if span.far { [(from + wide).min(to), to] } else { [from, (to - wide).max(from)] };
            // Of a screw its root, of a bore its crests' other side, the full diameter.
            let r = if member.plan.thread.side == Side::External { member.plan.blank.chamfer_mm.value } else { span.mm } / 2.0;
            Some(halves.iter().map(move |s| Shape::open("blank.thread", vec![[from, s * r], [to, s * r]])))
        })
        .flatten()
        .collect()
}

/// Edges of flats, and the grooves' and holes' own lines.
fn flats(along: &Along, scale: &Scale) -> Vec<Shape> {
    let lines = |s: &Span| {
        let (from, to, r) = (scale.at(s.from), scale.at(s.to), s.mm / 2.0);
        let at: &[f64] = match (s.flats, along.inside.is_empty()) {
            (Some(PlainKind::Hexagon), true) => &[0.5, -0.5],
            (Some(PlainKind::Hexagon), false) => &[0.5],
            _ => &[],
        };
        at.iter().map(move |y| Shape::open("whole.edge", vec![[from, y * r], [to, y * r]])).collect::<Vec<_>>()
    };
    along.outside.iter().filter(|s| s.flats.is_some()).flat_map(lines).collect()
}

/// Holes drilled across, where they were told.
fn holes(drawn: &Drawn<'_>, scale: &Scale) -> Vec<Shape> {
    let told = drawn.ops.iter().filter(|o| o.kind == OpKind::CrossDrill).filter_map(|o| Some((o.told.at_mm?, o.told.diameter_mm?)));
    told.map(|(at, d)| Shape::circle("whole.hole", [scale.at(at), 0.0], d / 2.0)).collect()
}

/// Lengths under it, diameters across it, every one by the name of its stretch.
fn dimensions(drawn: &Drawn<'_>, scale: &Scale, thick: f64, voice: Voice) -> Vec<Dimension> {
    let along = drawn.along;
    let mut list = Vec::new();
    let low = -thick / 2.0 - thick * 0.2;
    for span in &along.outside {
        let (from, to) = (scale.at(span.from), scale.at(span.to));
        if span.ends && along.outside.len() > 1 && span.stands != StretchKind::Untold {
            let long = Quantity::along_bare(voice, span.to - span.from);
            list.push(Dimension::new(format!("{}.long", span.key), say!(voice, "dim-part-long", name = &span.name), long, [from, low], [to, low]));
        }
        if span.stands != StretchKind::Untold {
            let (figure, sign) = size(drawn, span, voice);
            let x = f64::midpoint(from, to);
            let at = Dimension::new(span.key.clone(), say!(voice, "dim-part-across", name = &span.name), figure, [x, -span.mm / 2.0], [x, span.mm / 2.0]);
            list.push(at.signed(sign));
        }
    }
    for span in &along.inside {
        let (figure, sign) = size(drawn, span, voice);
        let x = f64::midpoint(scale.at(span.from), scale.at(span.to));
        // In the half that is cut open, where the bore itself is empty.
        let r = drawn.member(span).filter(|_| span.stands == StretchKind::Thread).map_or(span.mm, Member::blank_mm) / 2.0;
        list.push(Dimension::at(span.key.clone(), say!(voice, "dim-part-across", name = &span.name), figure, [x, -r * 0.5]).signed(sign));
    }
    if along.known {
        let whole = Quantity::along(voice, along.length);
        list.push(Dimension::new("whole", say!(voice, "dim-part-whole"), whole, [0.0, low - thick * 0.2], [scale.at(along.length), low - thick * 0.2]));
    }
    list
}

/// A stretch's size as a drawing has it: a thread by its name, a plain size as called for.
fn size(drawn: &Drawn<'_>, span: &Span, voice: Voice) -> (Quantity, &'static str) {
    let Some(member) = drawn.member(span) else { return (Quantity::bare(voice, span.mm), "⌀ ") };
    if span.stands == StretchKind::Thread {
        let named = Quantity { text: member.plan.thread.name.clone(), inch: None, ..Quantity::given(voice, span.mm) };
        return (named, "");
    }
    let sign = match span.flats {
        Some(PlainKind::Hexagon) => "⬡ ",
        Some(_) => "□ ",
        None => "⌀ ",
    };
    let told = span.plain.and_then(|i| member.facts.blank.plain.get(i)).map(|p| p.nominal_mm);
    (Quantity::bare(voice, told.unwrap_or(span.mm)), sign)
}

/// Draws a piece; the face of its first end lies at the left.
pub(super) fn piece(drawn: &Drawn<'_>, voice: Voice) -> Drawing {
    let along = drawn.along;
    let thick = along.outside.iter().map(|s| s.mm).fold(0.1, f64::max);
    let scale = Scale::of(&along.outside, thick, drawn.whole);
    let end = scale.at(along.length);
    let outer = steps(drawn, &along.outside, &scale, -1.0);
    let inner = steps(drawn, &along.inside, &scale, 1.0);
    let mut view: Vec<Point> = vec![[0.0, 0.0]];
    view.extend(&outer);
    view.push([end, 0.0]);
    let mut section: Vec<Point> = outer.iter().map(|p| [p[0], -p[1]]).collect();
    if let (Some(first), Some(last)) = (inner.first(), inner.last()) {
        // Out over the bore from right to left: to the axis where it does not go through.
        if last[0] < end - SAME_MM {
            section.extend([[end, 0.0], [last[0], 0.0]]);
        }
        section.extend(inner.iter().rev().map(|p| [p[0], -p[1]]));
        if first[0] > SAME_MM {
            section.extend([[first[0], 0.0], [0.0, 0.0]]);
        }
    } else {
        section.extend([[end, 0.0], [0.0, 0.0]]);
    }
    let mut shapes = vec![Shape::closed("blank.metal", view), Shape::closed("blank.metal", section)];
    // Of a stretch nobody told, what may stand there.
    let untold = along.outside.iter().filter(|s| s.stands == StretchKind::Untold || !s.ends);
    shapes.extend(untold.map(|s| Shape::rect("whole.untold", [scale.at(s.from), -s.mm / 2.0], [scale.at(s.to), s.mm / 2.0])));
    shapes.extend(flats(along, &scale));
    shapes.extend(holes(drawn, &scale));
    shapes.extend(roots(drawn, &along.outside, &scale, &[1.0, -1.0]));
    shapes.extend(roots(drawn, &along.inside, &scale, &[-1.0]));
    // Solid, both halves are seen from outside.
    let low = if along.inside.is_empty() { -1.0 } else { 0.0 };
    let steps_at = outer.windows(2).filter(|w| (w[0][0] - w[1][0]).abs() < 1e-9).map(|w| w[0][0].max(w[1][0]));
    shapes.extend(steps_at.map(|x| {
        let r = outer.iter().filter(|p| (p[0] - x).abs() < 1e-9).map(|p| p[1]).fold(f64::INFINITY, f64::min);
        Shape::open("whole.edge", vec![[x, low * r], [x, r]])
    }));
    for x in &scale.broken {
        let (h, s) = (thick * 0.62, thick * 0.06);
        let wave = |off: f64| vec![[x + off + s, h], [x + off - s * 0.4, h * 0.15], [x + off + s * 0.4, -h * 0.15], [x + off - s, -h]];
        shapes.extend([Shape::open("line.break", wave(0.0)), Shape::open("line.break", wave(s))]);
    }
    shapes.push(Shape::open("line.axis", vec![[-thick * 0.15, 0.0], [end + thick * 0.15, 0.0]]));
    // Each stretch may be touched.
    let touch = |s: &Span| Shape::rect("whole.touch", [scale.at(s.from), -s.mm / 2.0], [scale.at(s.to), s.mm / 2.0]).touched_as(s.key.clone());
    shapes.extend(along.outside.iter().map(touch));
    // It shares its page with its sentence and its limits.
    Drawing::sharing(voice, drawn.says.clone(), shapes, dimensions(drawn, &scale, thick, voice))
}
