//! The thread as it is seen: its helix, its hand at a glance, to scale beside its section.

use crate::direction::Hand;
use crate::outline::{Drawing, Point, Shape};
use crate::plan::Plan;
use crate::say;
use crate::thread::Side;
use crate::thread::drawing::profile;
use serde::Serialize;
use std::f64::consts::{PI, TAU};

/// What is drawn of a thread on request.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ThreadSheet {
    /// From the front, lying as it does in the lathe; a bore cut open, its far wall seen.
    pub seen: Drawing,
}

/// Points along half a turn.
const STEPS: u32 = 16;
/// Pitches shown, at the least and at the most.
const PITCHES: [f64; 2] = [5.0, 16.0];

/// Draws the thread as it is seen.
#[must_use]
pub fn thread_sheet(plan: &Plan) -> ThreadSheet {
    let t = &plan.thread;
    let external = t.side == Side::External;
    let [pitch, lead, major] = [&t.pitch_mm, &t.lead_mm, &t.major_mm].map(|q| q.value);
    // The basic sizes its section is drawn by.
    let basic = |name: &str| t.drawing.dimensions.iter().find(|d| d.name == name).map_or(major, |d| d.figure.value);
    let [minor, middle] = ["minor", "pitch_diameter"].map(basic);
    let (crest, root) = if external { (major / 2.0, minor / 2.0) } else { (minor / 2.0, major / 2.0) };
    let shown = (major * 1.3 / pitch).clamp(PITCHES[0], PITCHES[1]).floor() * pitch;
    // What is seen turns over the front of a screw, and over the far wall of a bore, the other way.
    let hand = if (t.hand == Hand::Right) == external { 1.0 } else { -1.0 };
    let walls = t.flanks().both();
    let outline = |from: f64| -> Vec<Point> {
        let first = from.rem_euclid(pitch) - 2.0 * pitch;
        #[allow(clippy::cast_possible_truncation, clippy::cast_sign_loss)] // a few pitches
        let turns = (shown / pitch) as u8 + 4;
        let line = profile(pitch, walls, middle / 2.0, crest, root, turns).into_iter().map(|p| [p[0] + first, p[1]]).collect();
        cut(line, shown)
    };
    // Over and under the axis, half a turn of the lead apart.
    let (top, under) = (outline(0.0), outline(lead / 2.0 * hand));
    let below: Vec<Point> = under.iter().map(|p| [p[0], -p[1]]).collect();
    let mut shapes = Vec::new();
    if external {
        let mut body = top.clone();
        body.extend(below.iter().rev());
        shapes.push(Shape::closed("thread.metal", body));
    } else {
        let outside = major / 2.0 + (major - minor) * 1.2;
        for (line, y) in [(&top, outside), (&below, -outside)] {
            let mut wall = line.clone();
            wall.extend([[shown, y], [0.0, y]]);
            shapes.push(Shape::closed("thread.metal", wall));
        }
    }
    // Edges of the crests, and the roots between: half a turn of each.
    let half = pitch / 4.0 - (crest - middle / 2.0).abs() * (walls[0].to_radians().tan() + walls[1].to_radians().tan()) / 2.0;
    let curve = |role: &'static str, from: f64, radius: f64| {
        let line = (0..=STEPS).map(|i| PI * f64::from(i) / f64::from(STEPS)).map(|a| [from + hand * lead * a / TAU, radius * a.cos()]).collect();
        Some(Shape::open(role, cut(line, shown))).filter(|s| s.line.len() > 1)
    };
    let spare = (lead / pitch).ceil() + 1.0;
    let mut i = -spare;
    while i <= shown / pitch + spare {
        let at = i * pitch;
        shapes.extend(curve("sample.root", at + pitch / 2.0, root));
        let edges = if half > pitch * 0.02 { vec![-half, half] } else { vec![0.0] };
        shapes.extend(edges.into_iter().filter_map(|off| curve("thread.edge", at + off, crest)));
        i += 1.0;
    }
    shapes.push(Shape::open("thread.flank", top));
    shapes.push(Shape::open("thread.flank", below));
    let says = if external {
        say!(plan.voice, "thread-from-front", hand = t.hand.word(), starts = t.starts)
    } else {
        say!(plan.voice, "thread-cut-open", hand = t.hand.word(), starts = t.starts)
    };
    ThreadSheet { seen: Drawing::shared(plan.voice, says, [0.0, -major / 2.0, shown, major / 2.0], shapes, Vec::new()) }
}

/// The part of a line that runs left to right, or back, between nought and a place.
fn cut(line: Vec<Point>, to: f64) -> Vec<Point> {
    let at = |a: Point, b: Point, x: f64| if (b[0] - a[0]).abs() < 1e-12 { b } else { [x, a[1] + (x - a[0]) / (b[0] - a[0]) * (b[1] - a[1])] };
    let mut kept: Vec<Point> = Vec::new();
    for pair in line.windows(2) {
        let [a, b] = [pair[0], pair[1]];
        if a[0].max(b[0]) < 0.0 || a[0].min(b[0]) > to {
            continue;
        }
        for end in [at(a, b, a[0].clamp(0.0, to)), at(a, b, b[0].clamp(0.0, to))] {
            if kept.last().is_none_or(|last| (last[0] - end[0]).abs() + (last[1] - end[1]).abs() > 1e-9) {
                kept.push(end);
            }
        }
    }
    kept
}
