//! The dial as it lies on the apron, its safe marks shown.

use crate::outline::{Drawing, Shape};
use crate::say;
use crate::voice::Voice;
use yoke_gears::dial::{DialAnswer, DialRule, closes_on};

/// Radius it is drawn at, mm.
const R: f64 = 30.0;

/// Draws the dial: the mark used first at the top, safe ones solid, those that cannot serve struck.
pub(super) fn dial(answer: &DialAnswer, voice: Voice) -> Option<Drawing> {
    let (teeth, marks) = (answer.teeth?, answer.marks?);
    let whole = i128::from(teeth) % answer.apart == 0;
    let safe = |j: u16| answer.rule == DialRule::AnyPosition || whole && (j == 0 || closes_on(j, teeth, marks, answer.apart));
    let mut shapes = vec![Shape::circle("dial.rim", [0.0, 0.0], R), Shape::circle("dial.hub", [0.0, 0.0], R * 0.12)];
    let mut count = 0;
    for j in 0..marks {
        // Clockwise from the top, as they are numbered.
        let angle = std::f64::consts::FRAC_PI_2 - f64::from(j) / f64::from(marks) * std::f64::consts::TAU;
        let at = |r: f64| [r * angle.cos(), r * angle.sin()];
        let serves = safe(j);
        count += usize::from(serves);
        shapes.push(Shape::open(if serves { "dial.safe" } else { "dial.unsafe" }, vec![at(R * if serves { 0.62 } else { 0.84 }), at(R)]));
        if marks <= 16 {
            let role = if serves { "word.count.safe" } else { "word.count.unsafe" };
            shapes.push(Shape::said(role, at(R * 1.26), (j + 1).to_string()));
        }
    }
    shapes.push(Shape::open("dial.index", vec![[0.0, R * 1.75], [0.0, R * 1.52]]));
    Some(Drawing::chart(
        voice,
        match answer.rule {
            DialRule::AnyPosition => say!(voice, "dial-drawn-any"),
            DialRule::KeepClosed => say!(voice, "dial-drawn-none", marks = marks),
            _ => say!(voice, "dial-drawn", marks = marks, count = count),
        },
        [-R * 1.5, -R * 1.45, R * 1.5, R * 1.75],
        shapes,
        Vec::new(),
    ))
}
