//! Places the figures and words of a drawing, as a draughtsman does: dimensions outside the body in tiers, a leader where it is
//! tight, and no text on another, on a line or across an edge.
//!
//! Everything is in the drawing's own millimetres, the letters too, so that screen, paper and file show one layout. A place is
//! looked for in order of what reads best and the first free one is taken; far enough out there always is one.

use super::{Dimension, Drawing, Point, Shape};
use crate::voice::Stands;

/// The smallest frame a drawing is shown in, pixels across and up: at the desk, at the bench on a tablet, at the bench on a wide screen.
/// Its letters are so large a share of it that they come to [`DESK_PX`] or [`BENCH_PX`] there.
pub struct Frame {
    desk: [f64; 2],
    bench: [f64; 2],
    wide: [f64; 2],
}

/// Least height of a letter at the desk, pixels.
const DESK_PX: f64 = 12.0;
/// Least height of a letter at the bench, pixels.
const BENCH_PX: f64 = 20.0;

/// A drawing that is a station's own.
pub const STATION: Frame = Frame { desk: [600.0, 420.0], bench: [640.0, 380.0], wide: [880.0, 470.0] };
/// One that shares a station, or stands in a leaf.
pub const SHARED: Frame = Frame { desk: [440.0, 310.0], bench: [380.0, 306.0], wide: [590.0, 400.0] };
/// One with a list of its parts beside or under it.
pub const LISTED: Frame = Frame { desk: [600.0, 420.0], bench: [560.0, 330.0], wide: [760.0, 380.0] };
/// One shown beside other things.
pub const BESIDE: Frame = Frame { desk: [480.0, 190.0], bench: [314.0, 165.0], wide: [314.0, 180.0] };

impl Frame {
    /// What a letter is of its width and of its height, at the least.
    #[must_use]
    pub fn of(&self, stands: Stands) -> [f64; 2] {
        match stands {
            Stands::Desk => self.desk.map(|px| DESK_PX / px),
            Stands::Bench => self.bench.map(|px| BENCH_PX / px),
            Stands::BenchWide => self.wide.map(|px| BENCH_PX / px),
        }
    }
}

/// Tries at a letter that suits what it makes of the drawing: where the first starts, of the body alone, how much more than is wanted each
/// takes, and how many there are. Where letters so large push one another out and out, smaller steps find where they still stand.
const TRIES: [(f64, f64, usize); 2] = [(1.25, 1.1, 10), (1.0, 1.03, 40)];
/// How far out a place is looked for, in letters.
const FAR: u32 = 60;
/// Directions looked in about a point.
const ROUND: u32 = 16;

/// A rectangle: left, bottom, right, top.
pub type Rect = [f64; 4];

/// How wide text stands, in letters, by the bold face it is drawn in: a little more than any glyph takes.
#[must_use]
pub fn wide(text: &str) -> f64 {
    text.chars()
        .map(|c| match c {
            ' ' | '.' | ',' | ':' | ';' | '\'' | 'i' | 'j' | 'l' | 'I' | '|' | '′' => 0.31,
            'f' | 'r' | 't' | '(' | ')' | '-' | '°' => 0.42,
            'm' | 'w' | 'M' | 'W' | '—' => 0.92,
            'A'..='Z' | '⌀' | '%' | '×' => 0.7,
            _ => 0.62,
        })
        .sum()
}

/// The rectangle text of a height takes about its middle.
#[must_use]
pub fn sized(at: Point, text: &str, letter: f64) -> Rect {
    let (w, h) = (wide(text) * letter / 2.0 + letter * 0.15, letter * 0.56);
    [at[0] - w, at[1] - h, at[0] + w, at[1] + h]
}

/// How much larger than the others a word stands: counts of teeth are read from two steps away.
fn tall(role: &str) -> f64 {
    if role == "word.teeth" { 1.6 } else { 1.0 }
}

fn overlap(a: Rect, b: Rect) -> bool {
    a[0] < b[2] && b[0] < a[2] && a[1] < b[3] && b[1] < a[3]
}

/// Whether a line touches a rectangle: its part between two parameters, cut by each side in turn.
fn crosses([from, to]: [Point; 2], r: Rect) -> bool {
    let (mut enter, mut leave) = (0.0_f64, 1.0_f64);
    for (at, go, low, high) in [(from[0], to[0] - from[0], r[0], r[2]), (from[1], to[1] - from[1], r[1], r[3])] {
        if go.abs() < 1e-12 {
            if at <= low || at >= high {
                return false;
            }
            continue;
        }
        let (a, b) = ((low - at) / go, (high - at) / go);
        enter = enter.max(a.min(b));
        leave = leave.min(a.max(b));
    }
    enter < leave
}

/// Whether the edge of a circle touches a rectangle.
fn rings(at: Point, radius: f64, r: Rect) -> bool {
    let (x, y) = (at[0].clamp(r[0], r[2]), at[1].clamp(r[1], r[3]));
    let far = [r[0], r[2]].into_iter().flat_map(|x| [r[1], r[3]].map(|y| (x - at[0]).hypot(y - at[1]))).fold(0.0, f64::max);
    (x - at[0]).hypot(y - at[1]) < radius && far > radius
}

fn join(a: Rect, b: Rect) -> Rect {
    [a[0].min(b[0]), a[1].min(b[1]), a[2].max(b[2]), a[3].max(b[3])]
}

/// The rectangle about some points; nothing of none.
fn about(points: impl IntoIterator<Item = Point>) -> Option<Rect> {
    points.into_iter().map(|[x, y]| [x, y, x, y]).reduce(join)
}

impl Shape {
    /// Whether it is a word rather than a line.
    #[must_use]
    pub fn is_word(&self) -> bool {
        self.role.starts_with("word")
    }

    /// Edges of its line, a closed one's last included; a circle has none.
    fn edges(&self) -> impl Iterator<Item = [Point; 2]> + '_ {
        let closing = self.line.first().zip(self.line.last()).filter(|_| self.closed).map(|(a, b)| [*b, *a]);
        self.line.windows(2).filter_map(|pair| Some([*pair.first()?, *pair.get(1)?])).chain(closing)
    }

    /// The radius of its circle, to the tips of its teeth.
    fn ring(&self) -> f64 {
        let tips = self.teeth.iter().flat_map(|t| &t.tooth).map(|[x, y]| x.hypot(*y)).fold(0.0, f64::max);
        self.circle.map_or(0.0, |c| c.r.max(tips))
    }

    fn extent(&self) -> Option<Rect> {
        match self.circle {
            Some(c) => {
                let r = self.ring();
                Some([c.x - r, c.y - r, c.x + r, c.y + r])
            }
            None if self.is_word() => None,
            None => about(self.line.iter().copied()),
        }
    }
}

/// What shapes fill, their words aside.
pub(super) fn frame(shapes: &[Shape]) -> Rect {
    shapes.iter().filter_map(Shape::extent).reduce(join).unwrap_or([0.0, 0.0, 1.0, 1.0])
}

/// What a drawing shows, whatever its letters: made once, however often they are tried.
struct Ink {
    edges: Vec<([Point; 2], Rect)>,
    rings: Vec<(Point, f64)>,
    /// What is drawn as a surface: the metal, mostly.
    surfaces: Vec<Vec<Point>>,
    /// The thing itself, without its axis.
    body: Rect,
    /// All that is drawn, and the frame.
    all: Rect,
}

impl Ink {
    fn of(drawing: &Drawing, frame: Rect) -> Self {
        let lines = || drawing.shapes.iter().filter(|s| !s.is_word());
        Self {
            edges: lines().flat_map(Shape::edges).filter_map(|e| Some((e, about(e)?))).collect(),
            rings: lines().filter_map(|s| Some((s.circle?, s.ring()))).flat_map(|(c, tips)| [c.r * 2.0 - tips, tips].map(|r| ([c.x, c.y], r))).collect(),
            surfaces: lines().filter(|s| s.closed).map(|s| s.line.clone()).collect(),
            body: lines().filter(|s| s.role != "line.axis").filter_map(Shape::extent).reduce(join).unwrap_or(frame),
            all: lines().filter_map(Shape::extent).fold(frame, join),
        }
    }
}

/// The ink with what is placed on it so far, in letters of one height.
struct Sheet<'a> {
    ink: &'a Ink,
    /// Lines drawn for dimensions: text keeps off them as off an edge.
    drawn: Vec<[Point; 2]>,
    /// Dimension lines: the way they run, their level, and from where to where.
    tiers: Vec<(usize, f64, [f64; 2])>,
    texts: Vec<Rect>,
    letter: f64,
}

impl Sheet<'_> {
    fn free(&self, r: Rect) -> bool {
        !self.texts.iter().any(|t| overlap(*t, r))
            && !self.drawn.iter().any(|line| crosses(*line, r))
            && !self.ink.edges.iter().any(|(edge, about)| overlap(*about, r) && crosses(*edge, r))
            && !self.ink.rings.iter().any(|(at, radius)| rings(*at, *radius, r))
    }

    /// Whether lines keep clear of every text there is.
    fn clear(&self, lines: &[[Point; 2]]) -> bool {
        !lines.iter().any(|line| self.texts.iter().any(|t| crosses(*line, *t)))
    }

    /// Where a line out across the drawing may begin, past the last text in its way.
    fn past_texts(&self, line: [Point; 2], across: usize, out: f64) -> f64 {
        let met = self.texts.iter().filter(|t| crosses(line, **t)).map(|t| if out > 0.0 { t[across + 2] } else { t[across] } + out * self.letter * 0.1);
        met.fold(line[0][across], |from, past| if (past - from) * out > 0.0 { past } else { from })
    }

    /// Whether a place lies on a surface: crossed an odd number of times on the way out.
    fn on_metal(&self, [x, y]: Point) -> bool {
        let within = |line: &Vec<Point>| {
            let next = line.iter().cycle().skip(1);
            line.iter().zip(next).filter(|(a, b)| (a[1] > y) != (b[1] > y) && x < a[0] + (y - a[1]) / (b[1] - a[1]) * (b[0] - a[0])).count() % 2 == 1
        };
        self.ink.surfaces.iter().any(within)
    }

    /// Whether another dimension line runs beside, too near to be told from it.
    fn beside_a_tier(&self, axis: usize, level: f64, span: [f64; 2]) -> bool {
        let near = self.letter * 1.5;
        self.tiers.iter().any(|(a, l, [from, to])| *a == axis && (l - level).abs() < near && *from < span[1] && span[0] < *to)
    }

    fn text(&self, at: Point, text: &str) -> Rect {
        sized(at, text, self.letter)
    }

    /// How far the body reaches, over the stretch between two places: along x its top and bottom, along y its right and left.
    fn reach(&self, axis: usize, [from, to]: [f64; 2]) -> [f64; 2] {
        let across = 1 - axis;
        let near = self.letter * 0.5;
        let met = self.ink.edges.iter().filter(|(_, r)| r[axis] <= to + near && r[axis + 2] >= from - near).map(|(_, r)| [r[across], r[across + 2]]);
        let circles =
            self.ink.rings.iter().filter(|(at, r)| at[axis] - r <= to + near && at[axis] + r >= from - near).map(|(at, r)| [at[across] - r, at[across] + r]);
        met.chain(circles).reduce(|a, b| [a[0].min(b[0]), a[1].max(b[1])]).unwrap_or([self.ink.body[across], self.ink.body[across + 2]])
    }

    /// Where the body's edge stands at one place, toward a side: where a witness line begins.
    fn edge_at(&self, axis: usize, place: f64, out: f64) -> Option<f64> {
        let across = 1 - axis;
        let hit = |[a, b]: [Point; 2]| {
            let (low, high) = (a[axis].min(b[axis]), a[axis].max(b[axis]));
            let slack = self.letter * 0.05;
            if place < low - slack || place > high + slack {
                return None;
            }
            let go = b[axis] - a[axis];
            Some(if go.abs() < 1e-9 {
                if out > 0.0 { a[across].max(b[across]) } else { a[across].min(b[across]) }
            } else {
                a[across] + (place.clamp(low, high) - a[axis]) / go * (b[across] - a[across])
            })
        };
        self.ink.edges.iter().filter_map(|(edge, _)| hit(*edge)).reduce(|a, b| if out > 0.0 { a.max(b) } else { a.min(b) })
    }

    fn take(&mut self, text: Rect, place: &Place) {
        self.texts.push(text);
        self.drawn.extend(&place.lines);
        self.tiers.extend(place.tier);
    }
}

/// A place found: the middle of the text, and the lines that belong to it.
struct Place {
    at: Point,
    lines: Vec<[Point; 2]>,
    tier: Option<(usize, f64, [f64; 2])>,
}

impl Place {
    const fn bare(at: Point) -> Self {
        Self { at, lines: Vec::new(), tier: None }
    }
}

/// Which way a dimension runs: along x, or along y; none when it stands at a point, or inside the body where only a leader reaches.
fn axis_of(d: &Dimension, body: Rect) -> Option<usize> {
    let (dx, dy) = ((d.to[0] - d.from[0]).abs(), (d.to[1] - d.from[1]).abs());
    if dx < 1e-9 && dy < 1e-9 {
        return None;
    }
    let axis = usize::from(dy > dx);
    let across = 1 - axis;
    let (at, low, high) = (d.from[across], body[across], body[across + 2]);
    let inside = (at - low).min(high - at) > (high - low) * 0.04;
    (!inside).then_some(axis)
}

/// A dimension line beside the body in the nearest tier that is free, with its witness lines.
fn tier(sheet: &Sheet, d: &Dimension, axis: usize, text: &str) -> Option<Place> {
    let (across, h) = (1 - axis, sheet.letter);
    let span = [d.from[axis].min(d.to[axis]), d.from[axis].max(d.to[axis])];
    let out = if d.from[across] >= f64::midpoint(sheet.ink.body[across], sheet.ink.body[across + 2]) { 1.0 } else { -1.0 };
    let reach = sheet.reach(axis, span);
    let edge = if out > 0.0 { reach[1] } else { reach[0] };
    let point = |along: f64, off: f64| if axis == 0 { [along, off] } else { [off, along] };
    let half = wide(text) * h / 2.0 + h * 0.5;
    (0..FAR).find_map(|step| {
        let level = edge + out * h * (1.1 + f64::from(step) * 0.45);
        let beyond = level + out * h * 0.35;
        let mut lines = vec![[point(span[0], level), point(span[1], level)]];
        for place in span {
            let from = sheet.edge_at(axis, place, out).unwrap_or(edge) + out * h * 0.2;
            // Broken off where a text stands in its way: it begins again beyond that.
            let from = sheet.past_texts([point(place, from), point(place, beyond)], across, out);
            if (level - from) * out > 0.0 {
                lines.push([point(place, from), point(place, beyond)]);
            }
        }
        // Ticks where they meet, slanted.
        lines.extend(span.map(|s| point(s, level)).map(|[x, y]| [[x - h * 0.22, y - h * 0.22], [x + h * 0.22, y + h * 0.22]]));
        if sheet.beside_a_tier(axis, level, span) || !sheet.clear(&lines) {
            return None;
        }
        let long = span[1] - span[0];
        let middles = [0.5, 0.34, 0.66, 0.2, 0.8].map(|s| span[0] + long * s);
        let spots: Vec<Point> = if axis == 0 {
            let over = level + h * 0.95;
            let fits = 2.0 * half <= long;
            middles.into_iter().take(if fits { 5 } else { 1 }).map(|x| [x, over]).chain([[span[1] + half, level], [span[0] - half, level]]).collect()
        } else {
            middles.into_iter().map(|y| [level + out * (half + h * 0.15), y]).chain([[level, span[1] + h * 1.1], [level, span[0] - h * 1.1]]).collect()
        };
        let fits = |at: &Point| {
            let r = sheet.text(*at, text);
            sheet.free(r) && !lines.iter().any(|l| crosses(*l, r))
        };
        spots.into_iter().find(fits).map(|at| Place { at, lines, tier: Some((axis, level, span)) })
    })
}

/// Text by a point, with a leader where it cannot stand close; `off` the metal altogether, where it is of a diameter or a radius.
fn by_point(sheet: &Sheet, (p, text, h): (Point, &str, f64), first: &[Point], leads: f64, off: bool) -> Option<Place> {
    let half = wide(text) * h / 2.0 + h * 0.15;
    let free = |at: Point| sheet.free(sized(at, text, h)) && !(off && sheet.on_metal(at));
    if let Some(at) = first.iter().find(|at| free(**at)) {
        return Some(Place::bare(*at));
    }
    let middle = [f64::midpoint(sheet.ink.body[0], sheet.ink.body[2]), f64::midpoint(sheet.ink.body[1], sheet.ink.body[3])];
    // Outward first: away from the body's middle.
    let outward = (p[1] - middle[1]).atan2(p[0] - middle[0]);
    (1..FAR).find_map(|step| {
        let r = h * 0.5 * f64::from(step);
        (0..ROUND).find_map(|i| {
            let turn = f64::from(i.div_ceil(2)) * std::f64::consts::TAU / f64::from(ROUND);
            let a = outward + if i % 2 == 0 { turn } else { -turn };
            let at = [p[0] + a.cos() * (r + half), p[1] + a.sin() * (r + h * 0.56)];
            let rect = sized(at, text, h);
            if !free(at) {
                return None;
            }
            let end = [p[0].clamp(rect[0], rect[2]), p[1].clamp(rect[1], rect[3])];
            if (end[0] - p[0]).hypot(end[1] - p[1]) <= leads * h {
                return Some(Place::bare(at));
            }
            let leader = [p, end];
            sheet.clear(&[leader]).then(|| Place { lines: vec![leader], ..Place::bare(at) })
        })
    })
}

/// A word's first choices: over its point, or beside it.
fn choices(role: &str, p: Point, text: &str, h: f64) -> Vec<Point> {
    let half = wide(text) * h / 2.0;
    match role {
        "word.beside" => [0.0, 0.45, -0.45, 0.9, -0.9].map(|up| [p[0] + half + h * 0.25, p[1] + up * h]).to_vec(),
        fixed if fixed.starts_with("word.count") => vec![p],
        _ => [0.6, 0.0, -0.6, 1.1, -1.1].map(|up| [p[0], p[1] + up * h]).to_vec(),
    }
}

/// Where everything came to stand with a letter of one height, and how large that makes the drawing.
struct Layout {
    /// Which shape, its letter, its place.
    words: Vec<(usize, f64, Place)>,
    dimensions: Vec<(usize, Place)>,
    bounds: Rect,
    letter: f64,
}

impl Layout {
    /// One try.
    fn of(drawing: &Drawing, ink: &Ink, letter: f64) -> Self {
        let mut sheet = Sheet { ink, drawn: Vec::new(), tiers: Vec::new(), texts: Vec::new(), letter };
        // Words that have one place come first, then short dimensions before long, then what can stand anywhere.
        let (fixed, loose): (Vec<usize>, Vec<usize>) =
            (0..drawing.shapes.len()).filter(|i| drawing.shapes[*i].is_word()).partition(|i| drawing.shapes[*i].role.starts_with("word.count"));
        let mut words: Vec<_> = fixed.into_iter().filter_map(|i| word(&mut sheet, drawing, i)).collect();
        let dimensions = placed(&mut sheet, drawing);
        words.extend(loose.into_iter().filter_map(|i| word(&mut sheet, drawing, i)));
        let pad = letter * 0.4;
        let [left, bottom, right, top] = sheet.texts.iter().copied().chain(about(sheet.drawn.iter().flatten().copied())).fold(ink.all, join);
        Self { words, dimensions, bounds: [left - pad, bottom - pad, right + pad, top + pad], letter }
    }

    /// Puts it on the drawing. Where text stands is told to a hundredth of a letter or so: no finer than anyone sees, and short.
    fn put(self, drawing: &mut Drawing) {
        let grain = 10.0_f64.powf((self.letter / 100.0).log10().floor());
        let short = |p: Point| p.map(|v| (v / grain).round() * grain);
        for (i, h, place) in self.words {
            drawing.shapes[i].letter_mm = (h > self.letter).then_some(h);
            drawing.shapes[i].line = vec![short(place.at)];
            drawing.shapes.extend(place.lines.into_iter().map(|l| Shape::open("line.leader", l.map(short).to_vec())));
        }
        for (i, place) in self.dimensions {
            drawing.dimensions[i].at = short(place.at);
            drawing.dimensions[i].lines = place.lines.into_iter().map(|l| l.map(short)).collect();
        }
        drawing.bounds = self.bounds;
        drawing.letter_mm = self.letter;
    }
}

/// Places a word.
fn word(sheet: &mut Sheet<'_>, drawing: &Drawing, i: usize) -> Option<(usize, f64, Place)> {
    let shape = &drawing.shapes[i];
    let (p, text) = (*shape.line.first()?, shape.label.as_deref()?);
    let h = sheet.letter * tall(shape.role);
    let first = choices(shape.role, p, text, h);
    // A count beside its gear says which it is of.
    let leads = if shape.role == "word.teeth" { 2.2 } else { 6.0 };
    let near = |leads| by_point(sheet, (p, text, h), &first, leads, false);
    let place = near(leads).or_else(|| near(f64::INFINITY)).unwrap_or(Place::bare(p));
    sheet.take(sized(place.at, text, h), &place);
    Some((i, h, place))
}

/// Places the dimensions: those with a line beside the body first, the short before the long.
fn placed(sheet: &mut Sheet<'_>, drawing: &Drawing) -> Vec<(usize, Place)> {
    let long = |d: &Dimension| (d.to[0] - d.from[0]).abs().max((d.to[1] - d.from[1]).abs());
    let mut order: Vec<(usize, &Dimension, Option<usize>)> = drawing.dimensions.iter().enumerate().map(|(i, d)| (i, d, axis_of(d, sheet.ink.body))).collect();
    order.sort_by(|(_, a, x), (_, b, y)| x.is_none().cmp(&y.is_none()).then(long(a).total_cmp(&long(b))));
    let mut list = Vec::with_capacity(order.len());
    for (i, d, axis) in order {
        let text = d.shown();
        let point = if long(d) < 1e-9 { d.from } else { [d.to[0], d.to[1].max(d.from[1])] };
        let beside = axis.and_then(|axis| tier(sheet, d, axis, &text));
        let place = beside.or_else(|| {
            let first = choices("word.beside", point, &text, sheet.letter);
            let near = |off| by_point(sheet, (point, &text, sheet.letter), &first, 1.0, off);
            near(!d.sign.is_empty()).or_else(|| near(false))
        });
        let place = place.unwrap_or(Place::bare(point));
        sheet.take(sheet.text(place.at, &text), &place);
        list.push((i, place));
    }
    list
}

/// Lays a drawing out inside its frame, or as far outside it as its figures need; `share` is what its letters are of it at the least.
pub(super) fn out(mut drawing: Drawing, frame: Rect, share: [f64; 2]) -> Drawing {
    let least = |[l, b, r, t]: Rect| ((r - l) * share[0]).max((t - b) * share[1]).max(1e-6);
    let ink = Ink::of(&drawing, frame);
    let settled = |(first, more, tries): (f64, f64, usize)| {
        let mut layout = Layout::of(&drawing, &ink, first * least(frame));
        for _ in 1..tries {
            let wanted = least(layout.bounds);
            if layout.letter >= wanted {
                return (layout, true);
            }
            layout = Layout::of(&drawing, &ink, wanted * more);
        }
        (layout, false)
    };
    let [large, fine] = TRIES;
    let (layout, suits) = settled(large);
    let layout = if suits { layout } else { settled(fine).0 };
    layout.put(&mut drawing);
    drawing
}
