//! The groove, cut pass after pass by the tool as ground.
//!
//! The metal is a height field: how deep it has been taken down, by place along the axis, over one pitch that repeats along the
//! work. Tool and field are corner points joined by straight lines, so a pass is the deeper of the two everywhere and what it
//! removes is a sum of trapeziums: nothing is sampled. A round tip is laid out in chords of a few degrees.
//!
//! The leading side, the one toward which the carriage goes, is at lesser x.

use crate::outline::Point;
use serde::Serialize;

/// Chords a round tip is laid out in.
const CHORDS: u32 = 48;
/// Places nearer than this are one, mm.
const SAME: f64 = 1e-12;

/// The cutting edge: how far each place along the axis stands back from the deepest point.
#[derive(Debug, Clone, PartialEq)]
pub struct Edge {
    /// Corner points, leading side first: place from the tip's middle, and how far back.
    line: Vec<Point>,
    /// Where the tip begins and ends.
    tip: [f64; 2],
}

impl Edge {
    /// A tip with a flat, mm, between flanks at these angles from square to the axis, degrees, leading one first, and long
    /// enough for any depth up to `reach` mm.
    #[must_use]
    pub fn flat(flat_mm: f64, [leading, trailing]: [f64; 2], reach: f64) -> Self {
        let half = flat_mm / 2.0;
        let mut line =
            vec![[-half - reach * leading.to_radians().tan(), reach], [-half, 0.0], [half, 0.0], [half + reach * trailing.to_radians().tan(), reach]];
        line.dedup_by(|a, b| a == b);
        Self { line, tip: [-half, half] }
    }

    /// A round tip of this radius, mm, tangent to both flanks.
    #[must_use]
    pub fn round(radius_mm: f64, [leading, trailing]: [f64; 2], reach: f64) -> Self {
        if radius_mm <= 0.0 {
            return Self::flat(0.0, [leading, trailing], reach);
        }
        // Square to a flank at this angle the arc ends so far round from straight down.
        let (from, to) = (-(90.0 - leading).to_radians(), (90.0 - trailing).to_radians());
        let arc = (0..=CHORDS).map(|i| {
            let a = from + (to - from) * f64::from(i) / f64::from(CHORDS);
            [radius_mm * a.sin(), radius_mm * (1.0 - a.cos())]
        });
        let mut line: Vec<Point> = arc.collect();
        let (first, last) = (line[0], line[line.len() - 1]);
        line.insert(0, [first[0] - (reach - first[1]).max(0.0) * leading.to_radians().tan(), reach.max(first[1])]);
        line.push([last[0] + (reach - last[1]).max(0.0) * trailing.to_radians().tan(), reach.max(last[1])]);
        Self { line, tip: [first[0], last[0]] }
    }
}

/// What one pass takes off, mm², by the part of the edge that takes it.
#[derive(Debug, Clone, Copy, Default, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Chip {
    /// By the leading flank.
    pub leading_mm2: f64,
    /// By the tip.
    pub tip_mm2: f64,
    /// By the trailing flank.
    pub trailing_mm2: f64,
}

impl Chip {
    /// To a ten-thousandth: finer says nothing of a chip.
    #[must_use]
    pub fn rounded(self) -> Self {
        let [leading_mm2, tip_mm2, trailing_mm2] = [self.leading_mm2, self.tip_mm2, self.trailing_mm2].map(|v| (v * 1e4).round() / 1e4);
        Self { leading_mm2, tip_mm2, trailing_mm2 }
    }

    /// All of it.
    #[must_use]
    pub fn area(&self) -> f64 {
        self.leading_mm2 + self.tip_mm2 + self.trailing_mm2
    }
}

/// How deep the metal has been taken down over one pitch, mm from the surface it was cut from.
#[derive(Debug, Clone, PartialEq)]
pub struct Field {
    pitch: f64,
    /// By place along the axis, from half a pitch before the groove's middle to half a pitch after.
    points: Vec<Point>,
}

/// The line's heights at the ends of a stretch that lies between two neighbouring corners of it.
fn along(line: &[Point], [from, to]: [f64; 2]) -> Option<[f64; 2]> {
    let middle = f64::midpoint(from, to);
    let after = line.partition_point(|p| p[0] <= middle);
    let (a, b) = (line.get(after.checked_sub(1)?)?, line.get(after)?);
    let slope = (b[1] - a[1]) / (b[0] - a[0]);
    Some([from, to].map(|x| a[1] + slope * (x - a[0])))
}

impl Field {
    /// Metal not cut yet.
    #[must_use]
    pub fn uncut(pitch_mm: f64) -> Self {
        Self { pitch: pitch_mm, points: vec![[-pitch_mm / 2.0, 0.0], [pitch_mm / 2.0, 0.0]] }
    }

    /// One pass: the tip's middle at `at` along the axis, its deepest point `depth` under the surface.
    pub fn cut(&mut self, edge: &Edge, at: f64, depth: f64) -> Chip {
        let mut chip = Chip::default();
        let half = self.pitch / 2.0;
        let (Some(first), Some(last)) = (edge.line.first(), edge.line.last()) else { return chip };
        // The thread repeats every pitch, so a tool too wide for one cuts into its neighbours.
        let (low, high) = (((-half - last[0] - at) / self.pitch).floor(), ((half - first[0] - at) / self.pitch).ceil());
        let mut turn = low;
        while turn <= high {
            self.once(edge, at + turn * self.pitch, depth, &mut chip);
            turn += 1.0;
        }
        chip
    }

    fn once(&mut self, edge: &Edge, at: f64, depth: f64, chip: &mut Chip) {
        let half = self.pitch / 2.0;
        let tool: Vec<Point> = edge.line.iter().map(|p| [p[0] + at, depth - p[1]]).collect();
        let (from, to) = (tool[0][0].max(-half), tool[tool.len() - 1][0].min(half));
        if to - from < SAME {
            return;
        }
        let mut xs: Vec<f64> = self.points.iter().map(|p| p[0]).chain(tool.iter().map(|p| p[0]).filter(|x| *x > from && *x < to)).chain([from, to]).collect();
        xs.sort_by(f64::total_cmp);
        xs.dedup_by(|a, b| (*a - *b).abs() < SAME);
        let mut points: Vec<Point> = Vec::with_capacity(xs.len() + 4);
        let mut put = |p: Point| {
            if let [.., a, b] = points[..]
                && ((b[0] - a[0]) * (p[1] - a[1]) - (b[1] - a[1]) * (p[0] - a[0])).abs() < 1e-13
            {
                points.pop();
            }
            if points.last() != Some(&p) {
                points.push(p);
            }
        };
        for pair in xs.windows(2) {
            let span = [pair[0], pair[1]];
            let Some(was) = along(&self.points, span) else { continue };
            let Some(cut) = along(&tool, span).filter(|_| span[0] >= from - SAME && span[1] <= to + SAME) else {
                put([span[0], was[0]]);
                put([span[1], was[1]]);
                continue;
            };
            let over = [cut[0] - was[0], cut[1] - was[1]];
            let mut take = |x0: f64, x1: f64, o0: f64, o1: f64| {
                let area = (x1 - x0) * f64::midpoint(o0.max(0.0), o1.max(0.0));
                let middle = f64::midpoint(x0, x1) - at;
                let by = if middle < edge.tip[0] {
                    &mut chip.leading_mm2
                } else if middle > edge.tip[1] {
                    &mut chip.trailing_mm2
                } else {
                    &mut chip.tip_mm2
                };
                *by += area;
            };
            put([span[0], cut[0].max(was[0])]);
            if over[0] * over[1] < 0.0 {
                let share = over[0] / (over[0] - over[1]);
                let x = span[0] + share * (span[1] - span[0]);
                take(span[0], x, over[0], 0.0);
                take(x, span[1], 0.0, over[1]);
                put([x, was[0] + share * (was[1] - was[0])]);
            } else {
                take(span[0], span[1], over[0], over[1]);
            }
            put([span[1], cut[1].max(was[1])]);
        }
        self.points = points;
    }

    /// Area taken out of one pitch, mm².
    #[must_use]
    pub fn area(&self) -> f64 {
        self.points.windows(2).map(|w| (w[1][0] - w[0][0]) * f64::midpoint(w[0][1], w[1][1])).sum()
    }

    /// Length along the axis over which the metal is down by at least this much, mm.
    #[must_use]
    pub fn width_at(&self, depth: f64) -> f64 {
        let span = |w: &[Point]| {
            let ([x0, y0], [x1, y1]) = (w[0], w[1]);
            match (y0 >= depth, y1 >= depth) {
                (true, true) => x1 - x0,
                (false, false) => 0.0,
                (a, _) => {
                    let x = x0 + (depth - y0) / (y1 - y0) * (x1 - x0);
                    if a { x - x0 } else { x1 - x }
                }
            }
        };
        self.points.windows(2).map(span).sum()
    }

    /// What is left of the crest, mm along the axis.
    #[must_use]
    pub fn crest(&self) -> f64 {
        self.pitch - self.width_at(1e-9)
    }

    /// The deepest place, mm.
    #[must_use]
    pub fn deepest(&self) -> f64 {
        self.points.iter().map(|p| p[1]).fold(0.0, f64::max)
    }

    /// Depth of the line on which groove and ridge are equally wide, mm under the surface: half of what the pitch diameter
    /// stands off the blank. Below nought where the groove is still narrower than that at the surface; what it would be if
    /// its flanks went on up at `half_deg`.
    #[must_use]
    pub fn pitch_line(&self, half_deg: f64) -> f64 {
        let wanted = self.pitch / 2.0;
        // Just under the surface, since the surface itself belongs to the crest too.
        let top = self.width_at(1e-9);
        if top < wanted {
            return if half_deg > 0.0 { (top - wanted) / (2.0 * half_deg.to_radians().tan()) } else { 0.0 };
        }
        let (mut low, mut high) = (0.0, self.deepest());
        for _ in 0..60 {
            let middle = f64::midpoint(low, high);
            if self.width_at(middle) >= wanted { low = middle } else { high = middle }
        }
        f64::midpoint(low, high)
    }

    /// The section as corner points, place along the axis and depth under the surface.
    #[must_use]
    pub fn section(&self) -> &[Point] {
        &self.points
    }
}
