//! The thread in section, to scale.

use crate::flanks::Flanks;
use crate::form::Thread;
use crate::outline::{Dimension, Drawing, Point, Shape};
use crate::quantity::short_text;
use crate::system::Side;
use crate::voice::Voice;
use crate::working::Quantity;
use yoke_ground::say;

/// Crest, pitch-line and root heights of a truncated form measured from the axis, repeated
/// along the work: the line the metal shows in an axial section.
///
/// `left` and `right` are the angles of a groove's walls, degrees from square to the axis. `crest_r` and `root_r` are radii, `pitch_r` the radius of the pitch line; crest to the left at x 0.
pub fn profile(pitch: f64, [left, right]: [f64; 2], pitch_r: f64, crest_r: f64, root_r: f64, turns: u8) -> Vec<Point> {
    // Half widths of the metal at the crest and of the gap at the root, from the pitch line where both are a quarter of the pitch; a
    // groove's left wall is the crest's right side. Where the flanks meet short of a flat, they meet in one point.
    let halves = |height: f64| {
        let [l, r] = [left, right].map(|a| pitch / 4.0 - height.abs() * a.to_radians().tan());
        if l + r < 0.0 { [(l - r) / 2.0, (r - l) / 2.0] } else { [l, r] }
    };
    let ([crest_right, crest_left], [root_left, root_right]) = (halves(crest_r - pitch_r), halves(pitch_r - root_r));
    (0..turns)
        .flat_map(|i| {
            let x = pitch * f64::from(i);
            [[x - crest_left, crest_r], [x + crest_right, crest_r], [x + pitch / 2.0 - root_left, root_r], [x + pitch / 2.0 + root_right, root_r]]
        })
        .collect()
}

/// Where the middle of a wire rests in a groove whose walls stand so, from the groove's middle on the pitch line, mm: along, and up.
pub fn wire_in_groove(pitch: f64, walls: [f64; 2], wire: f64) -> Point {
    let met = Flanks { leading: walls[0], trailing: walls[1] };
    let up = wire / 2.0 * met.wedge() - pitch / (4.0 * met.half_deg().to_radians().tan());
    // As far from the left wall as its radius: nought between walls alike.
    let left = walls[0].to_radians();
    [if met.are_even() { 0.0 } else { wire / 2.0 / left.cos() - pitch / 4.0 - up * left.tan() }, up]
}

/// The same with crest and root rounded by arcs of radius `r`, tangent to the flanks.
fn rounded(pitch: f64, alpha_deg: f64, crest_r: f64, root_r: f64, r: f64, turns: u8) -> Vec<Point> {
    const STEPS: i32 = 8;
    let out = (crest_r - root_r).signum();
    let sweep = 90.0 - alpha_deg;
    let arc = |x: f64, apex: f64, away: f64| {
        (-STEPS..=STEPS).map(move |i| {
            let at = (sweep * f64::from(i) / f64::from(STEPS)).to_radians();
            [x + r * at.sin(), apex - away * r * (1.0 - at.cos())]
        })
    };
    (0..turns)
        .flat_map(|i| {
            let x = pitch * f64::from(i);
            arc(x, crest_r, out).chain(arc(x + pitch / 2.0, root_r, -out))
        })
        .collect()
}

/// The flanks in words.
fn flanks_text(thread: &Thread, voice: Voice) -> String {
    if thread.flanks.are_even() { format!("{}°", short_text(thread.alpha_deg, 2)) } else { thread.flanks.says(voice) }
}

/// The basic form of the member to be cut, over two pitches, with its named sizes.
pub(super) fn section(thread: &Thread, voice: Voice) -> Drawing {
    let (spec, own) = (&thread.spec, thread.own.pitch);
    let [pitch, major, pitch_d, minor] = [thread.pitch, thread.major, thread.basic.pitch, thread.basic.minor].map(|n| n.value);
    let external = spec.side == Side::External;
    let (crest_d, root_d) = if external { (major, minor) } else { (minor, major) };
    let mut line = thread.radius.map_or_else(
        || profile(pitch, thread.walls_deg, pitch_d / 2.0, crest_d / 2.0, root_d / 2.0, 3),
        |r| rounded(pitch, thread.alpha_deg, crest_d / 2.0, root_d / 2.0, r.value, 3),
    );
    let (left, right) = (-pitch * 0.2, pitch * 2.2);
    line.retain(|p| p[0] >= left && p[0] <= right);
    // A round crest ends the section where its arc does, not at a step beside it.
    let (left, right) = match (line.first(), line.last(), thread.radius) {
        (Some(a), Some(b), Some(_)) => (a[0], b[0]),
        _ => (left, right),
    };
    let depth = (major - minor) / 2.0;
    // Metal lies toward the axis for a screw, away from it for a nut.
    let back = if external { minor / 2.0 - depth * 0.9 } else { major / 2.0 + depth * 0.9 };
    let [first, last] = [line.first(), line.last()].map(|end| end.map_or(back, |p| p[1]));
    let mut body = vec![[left, back], [left, first]];
    body.extend(line.iter().copied());
    body.extend([[right, last], [right, back]]);
    let level = |r: f64| vec![[left - pitch * 0.1, r], [right + pitch * 0.1, r]];
    let crest_y = crest_d / 2.0;
    let (low, high) = own;
    let across = |name, says: String, d: f64| Dimension::at(name, says, Quantity::length(voice, d), [right + pitch * 0.1, d / 2.0]).signed("⌀ ");
    let included = Quantity::plain(thread.flanks.included_deg(), usize::from(thread.flanks.included_deg().fract() > 1e-9), "°");
    let outside = if external { crest_y + depth * 0.45 } else { crest_y - depth * 0.45 };
    let height = if external { [back, outside + depth * 0.2] } else { [outside - depth * 0.2, back] };
    Drawing::shared(
        voice,
        say!(
            voice,
            "thread-drawn",
            size = &spec.size,
            pitch = voice.length(pitch),
            major = voice.figure(major),
            pitch_diameter = voice.figure(pitch_d),
            minor = voice.length(minor),
            flanks = flanks_text(thread, voice)
        ),
        [left - pitch * 0.1, height[0], right + pitch * 0.1, height[1]],
        vec![
            Shape::closed("thread.metal", body),
            Shape::open("thread.flank", line),
            Shape::open("line.major", level(major / 2.0)),
            Shape::open("line.pitch", level(pitch_d / 2.0)),
            Shape::open("line.minor", level(minor / 2.0)),
            Shape::open("band.pitch_low", level(low.value / 2.0)),
            Shape::open("band.pitch_high", level(high.value / 2.0)),
        ],
        vec![
            Dimension::at("included_angle", say!(voice, "dim-included-angle"), included, [pitch * 1.5, pitch_d / 2.0]),
            Dimension::new("pitch", say!(voice, "dim-pitch"), Quantity::length(voice, pitch), [pitch, outside], [pitch * 2.0, outside]),
            across("major", say!(voice, "dim-major"), major),
            across("pitch_diameter", say!(voice, "dim-pitch-diameter"), pitch_d),
            across("minor", say!(voice, "dim-minor"), minor),
        ],
    )
}
