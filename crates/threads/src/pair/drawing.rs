//! Screw and nut in mesh, the gaps between them drawn large enough to see.

use super::Clearance;
use crate::drawing::profile;
use crate::form::Thread;
use crate::outline::{Dimension, Drawing, Point, Shape};
use crate::voice::Voice;
use yoke_ground::say;

/// The two profiles in section, and how many times as large the gaps are drawn; `gaps` on diameter at the pitch line, the screw's crests and the nut's.
pub(super) fn mesh(thread: &Thread, pitch_d: f64, [major, minor]: [f64; 2], gaps: [f64; 3], clearances: &[Clearance], voice: Voice) -> (Drawing, f64) {
    let pitch = thread.pitch.value;
    let depth = ((major - minor) / 2.0).max(pitch * 0.1);
    // Gaps are enlarged alike until the smallest that is a gap can be seen.
    let seen = gaps.iter().copied().filter(|g| *g > 1e-6).fold(f64::MAX, f64::min);
    let most = gaps.iter().copied().fold(0.0, f64::max);
    let times = if seen < f64::MAX { (pitch * 0.12 / seen).min(pitch * 0.5 / most.max(1e-9)).clamp(1.0, 60.0).floor() } else { 1.0 };
    let [at_pitch, at_major, at_minor] = gaps.map(|g| g * times / 2.0);
    let screw = profile(pitch, thread.walls_deg, pitch_d / 2.0, major / 2.0, minor / 2.0, 3);
    // The nut's metal ends where the gap does: its root over the screw's crest, its crest over the root.
    let nut_pitch = pitch_d / 2.0 + at_pitch;
    let (root, crest) = (major / 2.0 + at_major, minor / 2.0 + at_minor);
    let nut = profile(pitch, thread.walls_deg, nut_pitch, root, crest, 3);
    let (left, right) = (-pitch * 0.2, pitch * 2.2);
    let keep = |line: Vec<Point>| -> Vec<Point> { line.into_iter().filter(|p| p[0] >= left && p[0] <= right).collect() };
    let (screw, nut) = (keep(screw), keep(nut));
    let close = |line: &[Point], back: f64| {
        let mut body = vec![[left, back], [left, line.first().map_or(back, |p| p[1])]];
        body.extend(line);
        body.extend([[right, line.last().map_or(back, |p| p[1])], [right, back]]);
        body
    };
    let (below, above) = (minor / 2.0 - depth * 0.7, root + depth * 0.7);
    let lines = [("flank", pitch * 1.25, pitch_d / 2.0, nut_pitch), ("major", pitch, major / 2.0, root), ("minor", pitch * 1.5, minor / 2.0, crest)];
    let dimensions = lines
        .into_iter()
        .zip(clearances)
        .enumerate()
        .map(|(i, ((name, _, from, to), c))| {
            // Figures stand to the right, each at its own height, the gap itself marked in the mesh.
            let y = [f64::midpoint(from, to), above - depth * 0.15, below + depth * 0.15][i];
            Dimension::at(name, c.at.clone(), c.now.clone(), [right + pitch * 0.15, y])
        })
        .collect();
    let mut shapes = vec![
        Shape::closed("thread.metal", close(&screw, below)),
        Shape::closed("pair.nut", close(&nut, above)),
        Shape::open("thread.flank", screw),
        Shape::open("thread.flank", nut),
    ];
    for (i, (_, x, from, to)) in lines.into_iter().enumerate() {
        let y = [f64::midpoint(from, to), above - depth * 0.15, below + depth * 0.15][i];
        shapes.push(Shape::open("line.leader", vec![[x, f64::midpoint(from, to)], [right + pitch * 0.1, y]]));
    }
    let told = clearances.iter().map(|c| say!(voice, "pair-gap", gap = voice.length(c.now.value), at = &c.at)).collect::<Vec<_>>().join(", ");
    let drawing = Drawing::framed(
        voice,
        say!(voice, "pair-drawn", times = crate::quantity::plain_text(times, 0), told = &told),
        [left - pitch * 0.1, below - depth * 0.1, right + pitch * 0.1, above + depth * 0.1],
        shapes,
        dimensions,
    );
    (drawing, times)
}
