//! Wires seated in the true groove, anvils and all.

use crate::gauge::chosen::Chosen;
use crate::outline::{Dimension, Drawing, Point, Shape};
use crate::say;
use crate::thread::drawing::{profile, wire_in_groove};
use crate::thread::form::Thread;
use crate::voice::Voice;
use crate::working::Quantity;

/// Two wires above, one below, between anvils. A thick core is drawn broken, so that the grooves
/// stay large; each side of the break is to scale.
pub(super) fn wires(thread: &Thread, target: f64, crest_d: f64, h: f64, chosen: Chosen, voice: Voice) -> Drawing {
    let pitch = thread.pitch.value;
    let root = target / 2.0 - h;
    let core = root.min(pitch * 1.1);
    let cut_away = root - core;
    let top: Vec<Point> = profile(pitch, thread.walls_deg, target / 2.0, crest_d / 2.0, root, 4).into_iter().map(|p| [p[0], p[1] - cut_away]).collect();
    // The other side of the screw is half a pitch on.
    let bottom: Vec<Point> = top.iter().map(|p| [p[0] - pitch / 2.0, -p[1]]).collect();
    let (left, right) = (-pitch * 0.1, pitch * 3.1);
    let keep = |line: Vec<Point>| -> Vec<Point> { line.into_iter().filter(|p| p[0] >= left - pitch * 0.3 && p[0] <= right + pitch * 0.2).collect() };
    let (top, bottom) = (keep(top), keep(bottom));
    let ends = |line: &[Point]| (line.first().map_or(left, |p| p[0]), line.last().map_or(right, |p| p[0]));
    let half = |line: &[Point]| {
        let (a, b) = ends(line);
        let mut body = vec![[a, 0.0]];
        body.extend(line);
        body.push([b, 0.0]);
        body
    };
    let over = target + chosen.sum;
    let [aside, up] = wire_in_groove(pitch, thread.walls_deg, chosen.wire);
    let centre = target / 2.0 + up - cut_away;
    let anvil = centre + chosen.wire / 2.0;
    let thick = pitch * 0.55;
    let mut shapes = vec![
        Shape::closed("thread.metal", half(&top)),
        Shape::closed("thread.metal", half(&bottom)),
        Shape::open("thread.flank", top),
        Shape::open("thread.flank", bottom),
    ];
    for x in [0.5, 2.5] {
        shapes.push(Shape::circle("wire.seated", [x * pitch + aside, centre], chosen.wire / 2.0));
    }
    shapes.push(Shape::circle("wire.seated", [pitch + aside, -centre], chosen.wire / 2.0));
    let bar = |y: f64, dy: f64| vec![[pitch * -0.05, y], [pitch * 3.05, y], [pitch * 3.05, y + dy], [pitch * -0.05, y + dy]];
    shapes.push(Shape::closed("anvil", bar(anvil, thick)));
    shapes.push(Shape::closed("anvil", bar(-anvil, -thick)));
    if cut_away > 1e-9 {
        shapes.push(Shape::open("line.break", vec![[left - pitch * 0.2, 0.0], [right + pitch * 0.2, 0.0]]));
    }
    Drawing::new(
        voice,
        say!(voice, "wires-drawn", wire = voice.length(chosen.wire), over = voice.length(over)),
        shapes,
        vec![
            Dimension::new(
                "over_wires",
                say!(voice, "dim-over-wires"),
                Quantity::length(voice, over),
                [right + pitch * 0.35, -anvil],
                [right + pitch * 0.35, anvil],
            ),
            Dimension::at("wire", "wire", Quantity::length(voice, chosen.wire), [0.5 * pitch + aside - chosen.wire / 2.0, centre]).signed("⌀ "),
        ],
    )
}
