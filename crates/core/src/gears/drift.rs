//! How the best few trains drift over length: what each takes off the pitch diameter, against the room there is.

use crate::outline::{Drawing, Point, Shape};
use crate::say;
use crate::voice::Voice;
use yoke_gears::train::TrainRow;

/// Trains drawn, the one hung among them.
const DRAWN: usize = 4;
/// The field, mm as drawn.
const WIDE: f64 = 300.0;
const HIGH: f64 = 130.0;

/// What a train's error does as the engagement grows.
pub(super) struct DriftBudget {
    /// Engagement of this job, mm.
    pub engagement: f64,
    /// Room there is, mm.
    pub room: f64,
    /// What a drift of one mm takes off that room, mm: the half angle's cotangent, or 1 for straight sides.
    pub share: f64,
}

/// The chart, from no engagement to twice this job's; none when every train listed is exact.
pub(super) fn chart(hung: Option<&TrainRow>, list: &[TrainRow], judged: &DriftBudget, voice: Voice) -> Option<Drawing> {
    let mut rows: Vec<&TrainRow> = hung.into_iter().collect();
    for row in list {
        let known = rows.iter().any(|r| (r.error_ppm - row.error_ppm).abs() < 1e-3);
        if !known && rows.len() < DRAWN {
            rows.push(row);
        }
    }
    if rows.iter().all(|r| r.error_ppm == 0.0) || judged.room <= 0.0 {
        return None;
    }
    let longest = 2.0 * judged.engagement;
    // The room stands at two thirds of the height, so that what goes past it is seen to.
    let top = 1.5 * judged.room;
    let k = voice.stands.letters();
    let at = |length: f64, takes: f64| -> Point { [WIDE * length / longest, HIGH * (takes / top).min(1.0)] };
    let word = |at: Point, text: String| Shape::said("word.beside", at, text);
    let mut shapes = vec![
        Shape::open("chart.axis", vec![[0.0, HIGH], [0.0, 0.0], [WIDE, 0.0]]),
        Shape::open("chart.limit", vec![at(0.0, judged.room), at(longest, judged.room)]),
        word([4.0, at(0.0, judged.room)[1] + 4.0], say!(voice, "drift-all-the-room", room = voice.micro(judged.room))),
        Shape::open("chart.mark", vec![at(judged.engagement, 0.0), at(judged.engagement, top)]),
        word([at(judged.engagement, 0.0)[0] + 3.0, -13.0 * k], say!(voice, "drift-this-nut", nut = voice.along(judged.engagement))),
        word([WIDE - 40.0, -13.0 * k], voice.about(longest)),
    ];
    let mut said = Vec::new();
    let mut ends: Vec<(Point, String)> = Vec::new();
    for (i, row) in rows.iter().enumerate() {
        let slope = row.error_ppm.abs() / 1e6 * judged.share;
        // A line that leaves the field ends where it leaves it.
        let end = if slope * longest > top { top / slope } else { longest };
        let role = if hung.is_some() && i == 0 { "chart.hung" } else { "chart.line" };
        let name = row.short();
        shapes.push(Shape::open(role, vec![at(0.0, 0.0), at(end, slope * end)]));
        ends.push((at(end, slope * end), format!("{name}: {}", row.error_text)));
        said.push(say!(voice, "drift-takes", name = &name, takes = voice.micro(slope * judged.engagement), over = voice.along(judged.engagement)));
    }
    // Names stand one under another beside the field, in the order the lines leave it.
    ends.sort_by(|a, b| b.0[1].total_cmp(&a.0[1]).then(a.0[0].total_cmp(&b.0[0])));
    let mut below = HIGH + 26.0 * k;
    for (end, name) in ends {
        let y = (end[1] - 4.0 * k).min(below - 13.0 * k);
        below = y;
        shapes.push(Shape::open("chart.leader", vec![end, [WIDE + 8.0, y + 4.0 * k]]));
        shapes.push(word([WIDE + 11.0, y], name));
    }
    Some(Drawing::framed(
        voice,
        say!(voice, "drift-drawn", trains = said.join(", "), room = voice.micro(judged.room)),
        [-6.0, -6.0, WIDE + 6.0, HIGH + 6.0],
        shapes,
        Vec::new(),
    ))
}
