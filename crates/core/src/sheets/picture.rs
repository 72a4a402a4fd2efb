//! This job on this lathe, seen from above: headstock to the left, the operator below.

use crate::direction::{Carriage, Spindle, Wall};
use crate::job::{EndKind, Support};
use crate::outline::{Drawing, Point, Shape, arrow};
use crate::plan::Plan;
use crate::quantity::plain_text;
use crate::thread::Side;

/// Where the spindle's axis lies on the drawing.
const AXIS: f64 = 120.0;
/// Half the thickness of the work, or of the bore.
const HALF: f64 = 20.0;

/// Where along the bed the tool stands on the drawing.
const TIP_X: f64 = 268.0;

/// The way the tool is fed in: along the axis and across it, as one step, by the lean of whatever slide carries the depth.
fn feed(plan: &Plan) -> Point {
    let lean = if plan.cut.style.slants() { plan.cut.angle_deg.to_radians() } else { 0.0 };
    let along = if plan.setup.carriage == Carriage::TowardHeadstock { -1.0 } else { 1.0 };
    let across = if plan.setup.infeed_away { 1.0 } else { -1.0 };
    [along * lean.sin(), across * lean.cos()]
}

/// An arrow under a name of its own.
fn named(role: &'static str, from: Point, to: Point) -> [Shape; 2] {
    let [shaft, head] = arrow(from, to);
    [Shape { role, ..shaft }, head]
}

/// The picture, with its words.
#[must_use]
pub fn picture(plan: &Plan) -> Drawing {
    let setup = &plan.setup;
    let internal = plan.thread.side == Side::Internal;
    let toward = setup.carriage == Carriage::TowardHeadstock;
    let forward = setup.spindle == Spindle::Forward;
    let mut shapes = vec![Shape::rect("motion.casting", [0.0, 58.0], [96.0, 182.0]), Shape::rect("motion.chuck", [96.0, 76.0], [130.0, 164.0])];
    // The thread's own stretch: from the place it ends at the headstock, to the open end.
    let (near, far) = (184.0, 318.0);
    work(plan, internal, [near, far], &mut shapes);
    let down = if forward { -24.0 } else { 24.0 };
    shapes.extend(named("setup.spindle", [146.0, AXIS - down], [146.0, AXIS + down]));
    // Where the tool meets the work: the operator's side, or the far one.
    let edge = match (internal, setup.wall) {
        (true, Some(Wall::Far)) => AXIS + HALF,
        (true, _) => AXIS - HALF,
        (false, _) => AXIS - HALF * if setup.infeed_away { 1.0 } else { -1.0 },
    };
    let feed = feed(plan);
    let tip = [TIP_X, edge];
    let back = |from: Point, by: f64, aside: f64| [from[0] - feed[0] * by - feed[1] * aside, from[1] - feed[1] * by + feed[0] * aside];
    let across = if setup.infeed_away { 1.0 } else { -1.0 };
    shapes.push(Shape::closed("motion.bit", vec![tip, [tip[0] - 8.0, edge - 15.0 * across], [tip[0] + 8.0, edge - 15.0 * across]]));
    // The compound, leaned as it is to be set, its handle on the operator's side.
    let seat = if internal { [398.0, 52.0] } else { [tip[0], edge - 74.0 * across] };
    if internal {
        shapes.push(Shape::rect("motion.bit", [tip[0] - 3.0, AXIS - 7.0], [380.0, AXIS + 7.0]));
        shapes.push(Shape::rect("motion.bit", [368.0, 60.0], [384.0, AXIS + 7.0]));
    } else {
        shapes.push(Shape::rect(
            "motion.bit",
            [tip[0] - 8.0, (edge - 15.0 * across).min(edge - 44.0 * across)],
            [tip[0] + 8.0, (edge - 15.0 * across).max(edge - 44.0 * across)],
        ));
    }
    let body = [back(seat, -34.0, -20.0), back(seat, -34.0, 20.0), back(seat, 34.0, 20.0), back(seat, 34.0, -20.0)];
    shapes.push(Shape::closed("setup.compound", body.to_vec()));
    let to_operator = if feed[1] > 0.0 { 1.0 } else { -1.0 };
    let handle = back(seat, 48.0 * to_operator, 0.0);
    shapes.push(Shape::open("setup.compound", vec![back(seat, 34.0 * to_operator, 0.0), handle]));
    shapes.push(Shape::circle("setup.handle", handle, 11.0));
    // The line its lean is counted from.
    shapes.push(Shape::open("line.centre", vec![[seat[0], seat[1] - 52.0], [seat[0], seat[1] + 52.0]]));
    let beside = back(tip, 8.0, if toward { 34.0 } else { -34.0 } * across);
    shapes.extend(named("setup.infeed", back(beside, 46.0, 0.0), back(beside, 6.0, 0.0)));
    let clear = [tip[0] + if toward { -40.0 } else { 40.0 }, edge - 10.0 * across];
    shapes.extend(named("setup.retract", clear, [clear[0], edge - 44.0 * across]));
    shapes.extend(marks(toward, [near, far]));
    shapes.extend(words(plan, toward, forward, [near, far], beside, clear, seat));
    let angle = if setup.handle_to_tailstock { "toward the tailstock" } else { "toward the headstock" };
    let lean = if plan.cut.style.slants() {
        format!(" {} {}° from the cross-slide, its handle end leaning {angle}.", plan.voice.fill("{Compound}"), plain_text(plan.cut.angle_deg, 1))
    } else {
        " Fed straight in by the cross-slide.".into()
    };
    Drawing::new(format!("From above, the operator below. {}{lean}", setup.says), shapes, Vec::new())
}

/// The work as it is held: a bar or a bore, with what the thread runs up to and what holds its far end.
fn work(plan: &Plan, internal: bool, [near, far]: [f64; 2], shapes: &mut Vec<Shape>) {
    let ends = plan.blank.endings.iter().find(|e| e.chosen).map(|e| e.end);
    let shoulder = ends.is_some_and(|e| e != EndKind::Open);
    if internal {
        for side in [-1.0, 1.0] {
            let (a, b) = (AXIS + side * HALF, AXIS + side * (HALF + 14.0));
            shapes.push(Shape::rect("motion.work", [130.0, a.min(b)], [far, a.max(b)]));
        }
        if shoulder {
            shapes.push(Shape::rect("motion.work", [130.0, AXIS - HALF], [near - 22.0, AXIS + HALF]));
        }
    } else {
        shapes.push(Shape::rect(
            "motion.work",
            [130.0, AXIS - HALF - if shoulder { 12.0 } else { 0.0 }],
            [near - 22.0, AXIS + HALF + if shoulder { 12.0 } else { 0.0 }],
        ));
        let neck = if plan.blank.relief.is_some() { HALF - 7.0 } else { HALF };
        shapes.push(Shape::rect("motion.work", [near - 22.0, AXIS - neck], [near, AXIS + neck]));
        shapes.push(Shape::rect("motion.work", [near, AXIS - HALF], [far, AXIS + HALF]));
        if plan.blank.slenderness.as_ref().is_some_and(|s| s.support != Support::None) {
            shapes.push(Shape::closed(
                "motion.chuck",
                vec![[far, AXIS], [far + 26.0, AXIS - 15.0], [far + 92.0, AXIS - 15.0], [far + 92.0, AXIS + 15.0], [far + 26.0, AXIS + 15.0]],
            ));
        }
    }
    for side in [-1.0, 1.0] {
        shapes.push(Shape::open(
            "blank.thread",
            vec![[near, AXIS + side * (HALF - 4.0 * if internal { -1.0 } else { 1.0 })], [far, AXIS + side * (HALF - 4.0 * if internal { -1.0 } else { 1.0 })]],
        ));
    }
}

/// Where a pass starts and stops, and the way the carriage goes between.
fn marks(toward: bool, [near, far]: [f64; 2]) -> Vec<Shape> {
    let (start, stop) = if toward { (far + 18.0, near - 11.0) } else { (near - 11.0, far + 18.0) };
    let mut shapes = vec![
        Shape::open("setup.start", vec![[start, AXIS - 62.0], [start, AXIS + 62.0]]),
        Shape::open("setup.stop", vec![[stop, AXIS - 62.0], [stop, AXIS + 62.0]]),
    ];
    shapes.extend(named("setup.carriage", [start, AXIS + 70.0], [stop, AXIS + 70.0]));
    shapes
}

fn words(plan: &Plan, toward: bool, forward: bool, [near, far]: [f64; 2], beside: Point, clear: Point, seat: Point) -> Vec<Shape> {
    let setup = &plan.setup;
    let (start, stop) = if toward { (far + 18.0, near - 11.0) } else { (near - 11.0, far + 18.0) };
    let across = if setup.infeed_away { 1.0 } else { -1.0 };
    let mut list = vec![
        Shape::word([48.0, AXIS - 4.0], if forward { "forward" } else { "reversed" }),
        Shape::word([start, AXIS + 76.0], "start"),
        Shape::word([stop, AXIS + 76.0], "stop"),
        Shape::word([f64::midpoint(start, stop), AXIS + 76.0], "carriage"),
        Shape::word([clear[0], clear[1] - 46.0 * across - if across > 0.0 { 8.0 } else { -2.0 }], "out"),
        Shape::word([beside[0] + if toward { 22.0 } else { -22.0 }, beside[1] - 40.0 * across], "in"),
        Shape::word([200.0, -28.0], "you stand here"),
        Shape::word(
            [TIP_X, if across > 0.0 { AXIS + HALF + 30.0 } else { AXIS - HALF - 40.0 }],
            if setup.upright { "bit right way up" } else { "bit inverted" },
        ),
    ];
    if plan.cut.style.slants() {
        let scale = format!("{}° on its scale", plain_text(plan.cut.scale_deg, 1));
        list.push(Shape::said("word.beside", [seat[0] + 44.0, seat[1] - 10.0], scale));
    }
    list
}
