//! The sample as told so far, held upright, so that what is measured and what is not can be seen.

use super::Sample;
use crate::direction::Hand;
use crate::outline::{Dimension, Drawing, Point, Shape};
use crate::voice::Voice;
use crate::working::Quantity;
use yoke_ground::say;

/// Most turns drawn; more would be too fine to see.
const MOST: u32 = 14;

/// Draws the sample to scale, a likely size standing in for what is not measured: those have no dimension.
pub(super) fn sample(told: &Sample, angle: f64, voice: Voice) -> Drawing {
    let pitch = told.pitch_mm().or_else(|| told.major_mm.map(|d| d / 8.0)).unwrap_or(2.5);
    let major = told.major_mm.or_else(|| told.minor_mm.map(|m| m + 1.23 * pitch)).unwrap_or(8.0 * pitch);
    let minor = told.minor_mm.unwrap_or(major - 1.23 * pitch).clamp(major * 0.2, major * 0.99);
    let (r, root) = (major / 2.0, minor / 2.0);
    let slope = (angle / 2.0).to_radians().tan();
    let crest = ((pitch - (r - root) * 2.0 * slope) / 2.0).clamp(0.0, pitch / 2.0) / 2.0;
    let spaces = told.rule.map_or(8, |(n, _)| u32::try_from(n).unwrap_or(8)).clamp(3, MOST);
    let (start, hand) = (f64::from(told.starts), told.hand.unwrap_or(Hand::Right));
    // In front, a right-hand thread climbs to the right: half a lead from one side to the other.
    let climb = pitch * start / 2.0 * if hand == Hand::Right { 1.0 } else { -1.0 };
    let flank = |side: f64, y0: f64| -> Vec<Point> {
        (0..=spaces)
            .flat_map(|i| {
                let y = y0 + pitch * f64::from(i);
                [
                    [side * r, y - crest],
                    [side * r, y + crest],
                    [side * root, y + pitch / 2.0 - crest.min(pitch / 8.0)],
                    [side * root, y + pitch / 2.0 + crest.min(pitch / 8.0)],
                ]
            })
            .collect()
    };
    let top = pitch * (f64::from(spaces) + 1.0);
    let (right, left) = (flank(1.0, 0.0), flank(-1.0, -climb));
    let mut body = right.clone();
    body.extend(left.iter().rev());
    let mut shapes = vec![Shape::closed("thread.metal", body), Shape::open("thread.flank", right), Shape::open("thread.flank", left)];
    for i in 0..=spaces {
        let y = pitch * f64::from(i);
        shapes.push(Shape::open("sample.crest", vec![[-r, y - climb], [r, y]]));
        if i < spaces {
            shapes.push(Shape::open("sample.root", vec![[-root, y + pitch / 2.0 - climb * root / r], [root, y + pitch / 2.0]]));
        }
    }
    let dimensions = dimensions(told, &Sized { pitch, major, minor, spaces, top, climb }, voice);
    Drawing::shared(
        voice,
        say!(voice, "sample-drawn", hand = if told.hand.is_some() { hand.word() } else { "untold" }, outside = voice.given(major), pitch = voice.length(pitch)),
        [-r, -climb.abs(), r, top],
        shapes,
        dimensions,
    )
}

/// The sample as it is drawn.
struct Sized {
    pitch: f64,
    major: f64,
    minor: f64,
    /// Spaces shown.
    spaces: u32,
    /// Its upper end, and how far a crest climbs from one side to the other.
    top: f64,
    climb: f64,
}

/// What was measured of it, each beside what it was measured over.
fn dimensions(told: &Sample, drawn: &Sized, voice: Voice) -> Vec<Dimension> {
    let Sized { pitch, major, minor, spaces, top, climb } = *drawn;
    let (r, root) = (major / 2.0, minor / 2.0);
    let mut dimensions = Vec::new();
    let level = -pitch * 1.6 - climb.abs();
    if told.major_mm.is_some() {
        dimensions.push(Dimension::new("major", say!(voice, "dim-outside-measured"), Quantity::given(voice, major), [-r, level], [r, level]).signed("⌀ "));
    }
    if told.minor_mm.is_some() {
        dimensions.push(
            Dimension::new("minor", say!(voice, "dim-root-measured"), Quantity::given(voice, minor), [-root, top + pitch * 1.3], [root, top + pitch * 1.3])
                .signed("⌀ "),
        );
    }
    if let Some((n, over)) = told.rule {
        // Drawn over as many spaces as are shown.
        let shown = pitch * f64::from(u32::try_from(n).unwrap_or(MOST).min(spaces));
        dimensions.push(Dimension::new(
            "spaces",
            say!(voice, "dim-over-spaces"),
            Quantity::given(voice, over),
            [r + pitch * 0.9, 0.0],
            [r + pitch * 0.9, shown],
        ));
    } else if told.gauged_pitch_mm.is_some() {
        dimensions.push(Dimension::new(
            "pitch",
            say!(voice, "dim-pitch-by-gauge"),
            Quantity::given(voice, pitch),
            [r + pitch * 0.9, pitch * 2.0],
            [r + pitch * 0.9, pitch * 3.0],
        ));
    }
    dimensions
}
