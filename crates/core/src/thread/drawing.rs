//! The thread in section, to scale.

use super::spec::{Side, ThreadSpec};
use crate::outline::{Dimension, Drawing, Point, Shape};
use crate::working::{Num, Quantity};

/// Crest, pitch-line and root heights of a truncated 60° form measured from the axis, repeated
/// along the work: the line the metal shows in an axial section.
///
/// `crest_r` and `root_r` are radii, `pitch_r` the radius of the pitch line; crest to the left at x 0.
pub(crate) fn profile(pitch: f64, alpha_deg: f64, pitch_r: f64, crest_r: f64, root_r: f64, turns: u8) -> Vec<Point> {
    let slope = alpha_deg.to_radians().tan();
    // Half widths of the metal at the crest and of the gap at the root, from the pitch line where
    // both are a quarter of the pitch.
    let crest = (pitch / 4.0 - (crest_r - pitch_r).abs() * slope).max(0.0);
    let root = (pitch / 4.0 - (pitch_r - root_r).abs() * slope).max(0.0);
    (0..turns)
        .flat_map(|i| {
            let x = pitch * f64::from(i);
            [[x - crest, crest_r], [x + crest, crest_r], [x + pitch / 2.0 - root, root_r], [x + pitch / 2.0 + root, root_r]]
        })
        .collect()
}

/// The basic form of the member to be cut, over two pitches, with its named sizes.
pub(super) fn section(spec: &ThreadSpec, pitch: f64, major: f64, [pitch_d, minor]: [f64; 2], own: (Num, Num)) -> Drawing {
    let external = spec.side == Side::External;
    let (crest_d, root_d) = if external { (major, minor) } else { (minor, major) };
    let mut line = profile(pitch, 30.0, pitch_d / 2.0, crest_d / 2.0, root_d / 2.0, 3);
    let (left, right) = (-pitch * 0.2, pitch * 2.2);
    line.retain(|p| p[0] >= left && p[0] <= right);
    let depth = (major - minor) / 2.0;
    // Metal lies toward the axis for a screw, away from it for a nut.
    let back = if external { minor / 2.0 - depth * 0.9 } else { major / 2.0 + depth * 0.9 };
    let mut body = vec![[left, back]];
    body.push([left, line.first().map_or(back, |p| p[1])]);
    body.extend(line.iter().copied());
    body.push([right, line.last().map_or(back, |p| p[1])]);
    body.push([right, back]);
    let level = |r: f64| vec![[left - pitch * 0.1, r], [right + pitch * 0.1, r]];
    let crest_y = crest_d / 2.0;
    let (low, high) = own;
    let outside = if external { crest_y + depth * 0.45 } else { crest_y - depth * 0.45 };
    let height = if external { [back, outside + depth * 0.2] } else { [outside - depth * 0.2, back] };
    Drawing {
        says: format!(
            "Section along the axis of {}: pitch {:.3} mm, major diameter {major:.3}, pitch diameter {pitch_d:.3}, minor diameter {minor:.3} mm, flanks at 30° to a square line.",
            spec.size, pitch
        ),
        bounds: [left - pitch * 0.1, height[0], right + pitch * 1.1, height[1]],
        shapes: vec![
            Shape::closed("thread.metal", body),
            Shape::open("thread.flank", line),
            Shape::open("line.major", level(major / 2.0)),
            Shape::open("line.pitch", level(pitch_d / 2.0)),
            Shape::open("line.minor", level(minor / 2.0)),
            Shape::open("band.pitch_low", level(low.value / 2.0)),
            Shape::open("band.pitch_high", level(high.value / 2.0)),
        ],
        dimensions: vec![
            Dimension {
                name: "included_angle",
                says: "included angle",
                figure: Quantity::plain(60.0, 0, "°"),
                from: [pitch * 1.42, pitch_d / 2.0],
                to: [pitch * 1.42, pitch_d / 2.0],
            },
            Dimension { name: "pitch", says: "pitch, crest to crest", figure: Quantity::length(pitch), from: [pitch, outside], to: [pitch * 2.0, outside] },
            Dimension {
                name: "major",
                says: "major diameter",
                figure: Quantity::length(major),
                from: [right + pitch * 0.1, major / 2.0],
                to: [right + pitch * 0.1, major / 2.0],
            },
            Dimension {
                name: "pitch_diameter",
                says: "pitch diameter",
                figure: Quantity::length(pitch_d),
                from: [right + pitch * 0.1, pitch_d / 2.0],
                to: [right + pitch * 0.1, pitch_d / 2.0],
            },
            Dimension {
                name: "minor",
                says: "minor diameter",
                figure: Quantity::length(minor),
                from: [right + pitch * 0.1, minor / 2.0],
                to: [right + pitch * 0.1, minor / 2.0],
            },
        ],
    }
}
