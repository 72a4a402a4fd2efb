//! The lathe drawn, each part under the role of its own name: from the gear end the arm with what hangs on it, from the
//! front the headstock, apron and slides. The arm is to its own scale; the rest shows what is there, not its sizes.

use crate::direction::Hand;
use crate::gears::mounted_drawing;
use crate::job::{CarriageStop, Chuck, Dial, Lathe, LatheProfile, Post, Slide};
use crate::outline::{Drawing, Point, Shape};
use crate::quantity::plain_text;
use crate::say;
use crate::shop::part::Part;
use crate::voice::Voice;
use std::f64::consts::TAU;

/// Left, bottom, right, top of the whole picture, mm as drawn.
const BOUNDS: [f64; 4] = [-372.0, -158.0, 640.0, 262.0];
/// The field the arm is drawn in.
const ARM: [f64; 4] = [-366.0, -120.0, -24.0, 222.0];

impl Part {
    /// The role its shapes carry; one that is not told or not there is drawn faint.
    const fn role(self, there: bool) -> &'static str {
        match (self, there) {
            (Self::Leadscrew, _) => "part.leadscrew",
            (Self::Stud, _) => "part.stud",
            (Self::Gearbox, true) => "part.gearbox",
            (Self::Gearbox, false) => "part.gearbox.absent",
            (Self::Tumbler, true) => "part.tumbler",
            (Self::Tumbler, false) => "part.tumbler.absent",
            (Self::Gears, _) => "part.gears",
            (Self::Mounted, _) => "part.mounted",
            (Self::Arm, true) => "part.arm",
            (Self::Arm, false) => "part.arm.absent",
            (Self::Dial, true) => "part.dial",
            (Self::Dial, false) => "part.dial.absent",
            (Self::CrossSlide, _) => "part.cross_slide",
            (Self::Compound, _) => "part.compound",
            (Self::Speeds, _) => "part.speeds",
            (Self::Spindle, _) => "part.spindle",
            (Self::Post, _) => "part.post",
            (Self::Stop, true) => "part.stop",
            (Self::Stop, false) => "part.stop.absent",
            (Self::Readout, true) => "part.readout",
            (Self::Readout, false) => "part.readout.absent",
        }
    }
}

/// Draws the lathe.
pub(super) fn lathe(profile: &LatheProfile, lathe: &Lathe, voice: Voice) -> Drawing {
    let mut shapes = Vec::new();
    gear_end(lathe, &mut shapes, voice);
    casting(&mut shapes);
    headstock(profile, lathe, &mut shapes, voice);
    leadscrew(lathe, &mut shapes);
    carriage(profile, lathe, &mut shapes, voice);
    Drawing::listed(voice, say!(voice, "lathe-drawn", name = &lathe.name), BOUNDS, shapes)
}

/// The arm and the train on it now, fitted into its field.
fn gear_end(lathe: &Lathe, shapes: &mut Vec<Shape>, voice: Voice) {
    let [left, bottom, right, top] = ARM;
    shapes.push(Shape::rect(Part::Arm.role(lathe.arm.is_some()), [left, bottom], [right, top]));
    let Some(train) = mounted_drawing(lathe, voice) else {
        shapes.push(Shape::word([(left + right) / 2.0, (top + bottom) / 2.0], say!(voice, "lathe-no-train-told")));
        return;
    };
    let [l, b, r, t] = train.bounds;
    let scale = ((right - left - 24.0) / (r - l)).min((top - bottom - 24.0) / (t - b));
    let [dx, dy] = [(left + right) / 2.0 - scale * (l + r) / 2.0, (bottom + top) / 2.0 - scale * (b + t) / 2.0];
    for mut shape in train.shapes {
        for point in &mut shape.line {
            *point = [dx + scale * point[0], dy + scale * point[1]];
        }
        for point in shape.teeth.iter_mut().flat_map(|t| &mut t.tooth) {
            *point = [scale * point[0], scale * point[1]];
        }
        if let Some(circle) = &mut shape.circle {
            (circle.x, circle.y, circle.r, circle.turns) = (dx + scale * circle.x, dy + scale * circle.y, scale * circle.r, None);
        }
        // The shafts belong to no gear: the first to what turns it, the last to the screw.
        if shape.label.as_deref() == Some("stud") {
            shape.role = Part::Stud.role(true);
        }
        // Counts are as large as the other words here.
        if shape.role == "word.teeth" {
            shape.role = "word";
        }
        shapes.push(shape);
    }
}

/// What is told by touching nothing: bed, feet, headstock.
fn casting(shapes: &mut Vec<Shape>) {
    shapes.push(Shape::rect("lathe.casting", [0.0, -20.0], [190.0, 200.0]));
    // The bed on either side of the apron, which hides what is behind it.
    for (from, to) in [(190.0, 362.0), (502.0, 632.0)] {
        shapes.push(Shape::rect("lathe.casting", [from, -30.0], [to, 20.0]));
        shapes.push(Shape::open("lathe.way", vec![[from, 8.0], [to, 8.0]]));
    }
    shapes.push(Shape::rect("lathe.casting", [600.0, -110.0], [632.0, -30.0]));
}

fn headstock(profile: &LatheProfile, lathe: &Lathe, shapes: &mut Vec<Shape>, voice: Voice) {
    // Speeds: a plate on the headstock.
    shapes.push(Shape::rect(Part::Speeds.role(true), [18.0, 128.0], [172.0, 188.0]));
    let speeds = say!(voice, "lathe-speeds", from = plain_text(lathe.speeds.slowest(), 0), to = plain_text(lathe.speeds.fastest(), 0));
    shapes.push(Shape::word([95.0, 162.0], speeds));
    // Tumbler: a lever over its three places.
    let ways = lathe.tumbler;
    let role = Part::Tumbler.role(ways.is_some_and(|t| t[0] || t[1]));
    shapes.push(Shape::rect(role, [18.0, 18.0], [172.0, 104.0]));
    for (i, there) in [ways.is_some_and(|t| t[0]), true, ways.is_some_and(|t| t[1])].into_iter().enumerate() {
        #[allow(clippy::cast_precision_loss)] // three
        let at = [60.0 + 35.0 * i as f64, 76.0];
        if there || ways.is_none() {
            shapes.push(Shape::circle(role, at, 6.0));
        }
    }
    shapes.push(Shape::open("part.tumbler.lever", vec![[95.0, 34.0], [60.0, 76.0]]));
    shapes.push(Shape::circle("part.tumbler.lever", [95.0, 34.0], 8.0));
    // The gearbox under it, its plate as many rows and columns as are told.
    let boxed = lathe.gearbox.len() > 1;
    let role = Part::Gearbox.role(boxed);
    shapes.push(Shape::rect(role, [0.0, -140.0], [190.0, -20.0]));
    if boxed {
        let (rows, columns) = profile.plate.as_ref().map_or_else(|| square(lathe.gearbox.len()), |p| (p.rows.len().max(1), p.columns.len().max(1)));
        plate(role, rows.min(8), columns.min(12), shapes);
        shapes.push(Shape::word([95.0, -128.0], say!(voice, "lathe-places", n = lathe.gearbox.len())));
    } else {
        shapes.push(Shape::word([95.0, -86.0], say!(voice, "lathe-no-gearbox")));
    }
    // The nose and the chuck on it.
    let role = Part::Spindle.role(true);
    shapes.push(Shape::rect(role, [190.0, 104.0], [212.0, 156.0]));
    match lathe.chuck {
        Chuck::Screwed => (0..5).for_each(|i| {
            let x = 191.0 + 4.4 * f64::from(i);
            shapes.push(Shape::open(role, vec![[x, 104.0], [x + 3.0, 156.0]]));
        }),
        Chuck::CamLock => [112.0, 130.0, 148.0].into_iter().for_each(|y| shapes.push(Shape::circle(role, [201.0, y], 5.0))),
        Chuck::Drawbar => shapes.push(Shape::rect(role, [190.0, 122.0], [216.0, 138.0])),
        Chuck::Bolted => [110.0, 150.0].into_iter().for_each(|y| shapes.push(Shape::rect(role, [195.0, y - 5.0], [216.0, y + 5.0]))),
    }
    shapes.push(Shape::rect(role, [212.0, 72.0], [268.0, 188.0]));
    for (low, high) in [(150.0, 172.0), (88.0, 110.0)] {
        shapes.push(Shape::rect(role, [268.0, low], [286.0, high]));
    }
    shapes.push(Shape::open("lathe.axis", vec![[286.0, 130.0], [360.0, 130.0]]));
}

/// A plate of about as many rows as columns.
const fn square(cells: usize) -> (usize, usize) {
    let mut columns = 1;
    while columns * columns < cells {
        columns += 1;
    }
    (cells.div_ceil(columns), columns)
}

#[allow(clippy::cast_precision_loss)] // a few rows and columns
fn plate(role: &'static str, rows: usize, columns: usize, shapes: &mut Vec<Shape>) {
    let ([left, bottom], [right, top]) = ([20.0, -104.0], [170.0, -32.0]);
    for i in 0..=rows {
        let y = bottom + (top - bottom) * i as f64 / rows as f64;
        shapes.push(Shape::open(role, vec![[left, y], [right, y]]));
    }
    for j in 0..=columns {
        let x = left + (right - left) * j as f64 / columns as f64;
        shapes.push(Shape::open(role, vec![[x, bottom], [x, top]]));
    }
}

/// The leadscrew with its thread leaning the way of its hand.
fn leadscrew(lathe: &Lathe, shapes: &mut Vec<Shape>) {
    let role = Part::Leadscrew.role(true);
    shapes.push(Shape::rect(role, [190.0, -84.0], [600.0, -68.0]));
    let lean = if lathe.leadscrew_hand == Hand::Right { -5.0 } else { 5.0 };
    for i in 0..40 {
        let x = 196.0 + 10.0 * f64::from(i);
        shapes.push(Shape::open(role, vec![[x - lean, -84.0], [x + lean, -68.0]]));
    }
    shapes.push(Shape::word([278.0, -106.0], lathe.leadscrew_text.clone()));
}

fn carriage(profile: &LatheProfile, lathe: &Lathe, shapes: &mut Vec<Shape>, voice: Voice) {
    shapes.push(Shape::rect("lathe.casting", [352.0, 20.0], [512.0, 46.0]));
    shapes.push(Shape::rect("lathe.casting", [362.0, -116.0], [502.0, 20.0]));
    // Stop: a block on the bed; struck through where it throws the feed out.
    let stop = lathe.carriage_stop;
    let role = Part::Stop.role(stop != CarriageStop::None);
    shapes.push(Shape::rect(role, [306.0, -16.0], [334.0, 44.0]));
    if stop == CarriageStop::Trips {
        shapes.push(Shape::open(role, vec![[334.0, 30.0], [352.0, 30.0]]));
    }
    // Cross-slide: its wheel faces whoever stands there.
    wheel(Part::CrossSlide, &lathe.cross_slide, [412.0, -26.0], 46.0, shapes);
    shapes.push(Shape::word([432.0, -104.0], "cross-slide"));
    shapes.push(Shape::rect(Part::CrossSlide.role(true), [378.0, 46.0], [486.0, 68.0]));
    // Compound: lies along the bed here, its wheel at the tailstock end.
    shapes.push(Shape::rect(Part::Compound.role(true), [386.0, 68.0], [500.0, 94.0]));
    wheel(Part::Compound, &lathe.compound, [548.0, 106.0], 42.0, shapes);
    shapes.push(Shape::word([576.0, 42.0], voice.words().compound));
    let rear = profile.post == Some(Post::Rear);
    let x = if rear { 450.0 } else { 400.0 };
    shapes.push(Shape::rect(Part::Post.role(true), [x, 94.0], [x + 44.0, 148.0]));
    shapes.push(Shape::rect(Part::Post.role(true), [x - 26.0, 120.0], [x + 14.0, 132.0]));
    dial(lathe.dial.as_ref(), [552.0, -50.0], shapes, voice);
    // Readout: a box above.
    let role = Part::Readout.role(profile.readout.is_some());
    shapes.push(Shape::rect(role, [470.0, 186.0], [632.0, 250.0]));
    shapes.push(Shape::word([551.0, 210.0], if profile.readout.is_some() { "0.000".to_owned() } else { say!(voice, "lathe-no-readout") }));
}

/// A handwheel collar with its divisions: every tenth is longer, and no more are drawn than can be told apart.
fn wheel(part: Part, slide: &Slide, [x, y]: Point, r: f64, shapes: &mut Vec<Shape>) {
    let role = part.role(true);
    shapes.push(Shape::circle(role, [x, y], r));
    let step = [1.0, 2.0, 5.0, 10.0, 20.0, 50.0].into_iter().find(|s| slide.divisions / s <= 100.0).unwrap_or(100.0);
    let mut n = 0.0;
    while n < slide.divisions && n / step < 120.0 {
        let angle = TAU * (0.25 - n / slide.divisions);
        let long = (n / step) % 10.0 == 0.0;
        let at = |k: f64| [x + k * r * angle.cos(), y + k * r * angle.sin()];
        shapes.push(Shape::open(role, vec![at(if long { 0.76 } else { 0.88 }), at(1.0)]));
        n += step;
    }
    shapes.push(Shape::said("word.count", [x, y], plain_text(slide.divisions, 0)));
}

fn dial(dial: Option<&Dial>, [x, y]: Point, shapes: &mut Vec<Shape>, voice: Voice) {
    let (role, r) = (Part::Dial.role(dial.is_some()), 40.0);
    shapes.push(Shape::circle(role, [x, y], r));
    let Some(dial) = dial else {
        shapes.push(Shape::word([x, y - 70.0], say!(voice, "lathe-no-dial")));
        return;
    };
    let teeth = dial.teeth.first().copied().unwrap_or(0);
    let marks = dial.marks.unwrap_or(teeth);
    for j in 0..marks.min(72) {
        let angle = TAU * (0.25 - f64::from(j) / f64::from(marks));
        let at = |k: f64| [x + k * r * angle.cos(), y + k * r * angle.sin()];
        shapes.push(Shape::open(role, vec![at(0.74), at(1.0)]));
    }
    shapes.push(Shape::said("word.count", [x, y], teeth.to_string()));
}
