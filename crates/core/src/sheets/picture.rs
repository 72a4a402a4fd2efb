//! This job on this lathe, seen from above and to scale: headstock to the left, the operator below. The work, what holds it, the rooms at both
//! ends and the bit's own width are true; a long part is broken off, and of the slides only where they stand and how they lean is shown.

use crate::direction::{Carriage, Spindle, Wall};
use crate::job::defaults::BIT_WIDTH_MM;
use crate::job::{BlankFacts, EndKind, Holding, Job, Support};
use crate::outline::{Dimension, Drawing, Point, Shape, arrow};
use crate::plan::Pointed;
use crate::quantity::plain_text;
use crate::say;
use crate::thread::Side;
use crate::voice::Voice;
use crate::working::Quantity;

/// Longest part shown whole, by its diameter. House value.
const WHOLE: f64 = 3.0;
/// Longest stretch between the thread and the jaws shown whole, by the diameter. House value.
const NECK: f64 = 1.2;

/// Where everything stands, mm: the axis at nought, the headstock end of the thread at nought along it.
struct Layout<'a> {
    plan: &'a Pointed<'a>,
    blank: &'a BlankFacts,
    internal: bool,
    toward: bool,
    /// Which way the tool is fed in: 1 away from the operator.
    across: f64,
    /// Radius of the blank or bore.
    r: f64,
    /// Radius of what the jaws grip.
    held: f64,
    /// The free end as shown.
    far: f64,
    /// Whether the thread is shown broken off.
    broken: bool,
    /// Where the jaws, or the end of a bar between centres, stand.
    jaws: f64,
    /// From the headstock end to the jaws, where it was told.
    stands_out: Option<f64>,
    /// Whether the stretch to the jaws is shown broken off, or is not known.
    neck_broken: bool,
    /// What of the bit stands ahead of its point.
    ahead: f64,
    /// The unit of what is only indicated: arrows, slides, handles.
    k: f64,
}

impl<'a> Layout<'a> {
    fn of(plan: &'a Pointed<'a>, blank: &'a BlankFacts) -> Self {
        let internal = plan.thread.side == Side::Internal;
        let (r, length) = (plan.blank.used_mm.value / 2.0, plan.thread.length_mm.value);
        let ahead = plan.blank.body_ahead_mm.as_ref().map_or(BIT_WIDTH_MM / 2.0, |a| a.value);
        let relief = plan.blank.relief.as_ref().map_or(0.0, |x| x.width_mm.value.max(blank.relief_width_mm.unwrap_or(0.0)));
        let far = length.min((2.0 * r * WHOLE).max(2.5 * relief).max(6.0 * ahead));
        let outside = blank.outside_mm.map_or(r * 1.7, |d| d / 2.0);
        let shoulder = blank.shoulder_mm.map_or(r * 1.22, |d| d / 2.0);
        let held = if internal {
            outside
        } else if blank.shoulder {
            shoulder
        } else {
            r
        };
        let stands_out = blank.stick_out_mm.filter(|_| !internal).map(|out| out - length);
        let neck = NECK * 2.0 * r;
        let jaws = -stands_out.unwrap_or(neck * 0.7).min(neck);
        let k = ((2.0 * r + far) / 80.0).max(ahead / 30.0);
        Self {
            plan,
            blank,
            internal,
            toward: plan.setup.carriage == Carriage::TowardHeadstock,
            across: if plan.setup.infeed_away { 1.0 } else { -1.0 },
            r,
            held,
            far,
            broken: far < length - 1e-9,
            jaws,
            stands_out,
            neck_broken: stands_out.is_none_or(|out| out > neck + 1e-9),
            ahead,
            k,
        }
    }

    /// Where the point is when the hand ends a pass, or a pass begins standing in the groove.
    fn mark(&self) -> f64 {
        (self.plan.thread.length_mm.value - self.plan.blank.mark.from_face_mm.value).min(self.far * 0.9)
    }

    /// Where a pass begins, where the hand ends it, and where the carriage then stands.
    fn stroke(&self) -> [f64; 3] {
        let (run_up, on) = (self.plan.setup.run_up_mm.value, self.plan.setup.stopping_mm.value);
        if self.toward { [self.far + run_up, self.mark(), self.mark() - on] } else { [self.mark() - run_up, self.far, self.far + on] }
    }

    /// How far the work and what holds it reach from the axis.
    fn height(&self) -> f64 {
        self.held.max(self.r) + 9.0 * self.k
    }

    /// The side no slide stands on: figures have room there.
    fn open_side(&self) -> f64 {
        if self.internal { 1.0 } else { self.across }
    }

    /// The way the tool is fed in: along the axis and across it, as one step, by the lean of whatever slide carries the depth.
    fn feed(&self) -> Point {
        let lean = if self.plan.cut.style.slants() { self.plan.cut.angle_deg.to_radians() } else { 0.0 };
        let along = if self.toward { -1.0 } else { 1.0 };
        [along * lean.sin(), self.across * lean.cos()]
    }

    /// Where the tool meets the work: the operator's side, or the far one.
    fn edge(&self) -> f64 {
        match (self.internal, self.plan.setup.wall) {
            (true, Some(Wall::Far)) => self.r,
            (true, _) => -self.r,
            (false, _) => -self.r * self.across,
        }
    }

    /// The point, in the middle of a pass.
    fn tip(&self) -> Point {
        [(self.far * 0.6).max(self.ahead.min(self.far * 0.8)), self.edge()]
    }

    /// The middle of the slide that carries the depth.
    fn seat(&self) -> Point {
        if self.internal {
            [self.far + 4.0 * self.ahead + 40.0 * self.k, -self.r - 34.0 * self.k]
        } else {
            [self.tip()[0], self.edge() - (3.0 * self.ahead + 60.0 * self.k) * self.across]
        }
    }

    /// A place counted back against the feed, and aside of it.
    fn back(&self, from: Point, by: f64, aside: f64) -> Point {
        let feed = self.feed();
        [from[0] - feed[0] * by - feed[1] * aside, from[1] - feed[1] * by + feed[0] * aside]
    }

    /// An arrow under a name of its own.
    fn named(&self, role: &'static str, from: Point, to: Point) -> [Shape; 2] {
        let [shaft, head] = arrow(from, to, self.k);
        [Shape { role, ..shaft }, head]
    }
}

/// The picture, with its words and its rooms.
#[must_use]
pub fn picture(plan: &Pointed<'_>, job: &Job) -> Drawing {
    let at = Layout::of(plan, &job.blank);
    let setup = &plan.setup;
    let by = plan.blank.held().map_or(Holding::ThreeJaw, |h| h.holding);
    let mut shapes = holder(&at, by);
    shapes.extend(work(&at));
    shapes.extend(far_end(&at, by));
    shapes.extend(tool(&at));
    shapes.extend(ways(&at));
    shapes.extend(words(&at));
    let says = say!(
        plan.voice,
        "picture-from-above",
        way = &setup.says,
        lean = match (plan.cut.style.slants(), setup.handle_to_tailstock) {
            (false, _) => "none",
            (true, true) => "tailstock",
            (true, false) => "headstock",
        },
        angle = plain_text(plan.cut.angle_deg, 1),
        told = if at.stands_out.is_none() && !at.internal { "no" } else { "yes" }
    );
    Drawing::new(plan.voice, says, shapes, rooms(&at, job.voice))
}

/// The work held another way, by itself.
#[must_use]
pub(super) fn held(plan: &Pointed<'_>, job: &Job, by: Holding, says: &str) -> Drawing {
    let at = Layout::of(plan, &job.blank);
    let mut shapes = holder(&at, by);
    shapes.extend(work(&at));
    shapes.extend(far_end(&at, by));
    Drawing::beside(plan.voice, say!(plan.voice, "picture-held", says = &says), shapes, Vec::new())
}

/// The headstock and what grips the work: jaws, a collet, a plate, or a centre and its dog.
fn holder(at: &Layout<'_>, by: Holding) -> Vec<Shape> {
    let (k, h, x) = (at.k, at.held, at.jaws);
    let body = h + 16.0 * k;
    let (mut shapes, nose) = match by {
        Holding::Collet => {
            let nose = vec![[x - 14.0 * k, h + 10.0 * k], [x, h + 4.0 * k], [x, -h - 4.0 * k], [x - 14.0 * k, -h - 10.0 * k]];
            (vec![Shape::closed("motion.chuck", nose)], x - 14.0 * k)
        }
        Holding::Centres | Holding::Arbor => {
            let cone = vec![[x, 0.0], [x - 8.0 * k, 4.6 * k], [x - 20.0 * k, 4.6 * k], [x - 20.0 * k, -4.6 * k], [x - 8.0 * k, -4.6 * k]];
            // The dog, its tail in the plate.
            let dog = vec![
                [x + 2.0 * k, h],
                [x + 10.0 * k, h],
                [x + 10.0 * k, h + 6.0 * k],
                [x - 20.0 * k, h + 6.0 * k],
                [x - 20.0 * k, h + 2.0 * k],
                [x + 2.0 * k, h + 2.0 * k],
            ];
            let plate = Shape::rect("motion.chuck", [x - 26.0 * k, -body], [x - 20.0 * k, body]);
            (vec![plate, Shape::closed("motion.chuck", cone), Shape::closed("motion.chuck", dog)], x - 26.0 * k)
        }
        Holding::Faceplate => {
            let plate = Shape::rect("motion.chuck", [x - 8.0 * k, -body - 10.0 * k], [x, body + 10.0 * k]);
            // A clamp on each side, its toe on the work.
            let clamp = |side: f64| {
                let line = [[0.0, h + 14.0 * k], [8.0 * k, h + 14.0 * k], [8.0 * k, h], [3.0 * k, h], [3.0 * k, h + 10.0 * k], [0.0, h + 10.0 * k]];
                Shape::closed("motion.chuck", line.map(|p| [x + p[0], side * p[1]]).to_vec())
            };
            (vec![plate, clamp(1.0), clamp(-1.0)], x - 8.0 * k)
        }
        Holding::ThreeJaw | Holding::FourJaw | Holding::ByItsThread => {
            let jaw =
                |side: f64| Shape::rect("motion.chuck", [x - 10.0 * k, (side * h).min(side * (h + 10.0 * k))], [x, (side * h).max(side * (h + 10.0 * k))]);
            (vec![Shape::rect("motion.chuck", [x - 30.0 * k, -body], [x - 10.0 * k, body]), jaw(1.0), jaw(-1.0)], x - 30.0 * k)
        }
    };
    shapes.insert(0, Shape::rect("motion.casting", [nose - 64.0 * k, -body - 4.0 * k], [nose, body + 4.0 * k]));
    shapes
}

/// The work: a bar or a bore, its relief as wide as it is, and what the thread runs up to.
fn work(at: &Layout<'_>) -> Vec<Shape> {
    let (r, far, held, k) = (at.r, at.far, at.held, at.k);
    let ends = at.plan.blank.endings.iter().find(|e| e.chosen).map_or(EndKind::Open, |e| e.end);
    let relief = at
        .plan
        .blank
        .relief
        .as_ref()
        .map(|x| (at.blank.relief_width_mm.unwrap_or(x.width_mm.value), at.blank.relief_diameter_mm.unwrap_or(x.diameter_mm.value) / 2.0));
    let gripped = at.jaws - 10.0 * k;
    let root = at.plan.blank.chamfer_mm.value / 2.0;
    let mut shapes = Vec::new();
    // One side of it from the axis; the other is the same mirrored.
    let mut edge = vec![[gripped, held], [0.0, held]];
    if let Some((width, radius)) = relief {
        edge.extend([[0.0, radius], [width, radius], [width, r]]);
    } else {
        edge.push([0.0, r]);
    }
    edge.push([far, r]);
    if at.internal {
        let blind = at.blank.shoulder;
        for side in [1.0, -1.0] {
            let mut wall: Vec<Point> = vec![[gripped, held], [far, held], [far, r]];
            if let Some((width, radius)) = relief {
                wall.extend([[width, r], [width, radius], [0.0, radius]]);
            } else {
                wall.push([0.0, r]);
            }
            wall.extend(if blind { vec![[0.0, 0.0], [gripped, 0.0]] } else { vec![[gripped, r]] });
            shapes.push(Shape::closed("motion.work", wall.into_iter().map(|p| [p[0], side * p[1]]).collect()));
        }
    } else {
        let mirrored: Vec<Point> = edge.iter().rev().map(|p| [p[0], -p[1]]).collect();
        edge.extend(mirrored);
        shapes.push(Shape::closed("motion.work", edge));
    }
    let from = relief.map_or(0.0, |x| x.0);
    let until = if ends == EndKind::Withdraw { at.mark().max(from) } else { from };
    shapes.extend([1.0, -1.0].map(|side| Shape::open("blank.thread", vec![[until, side * root], [far, side * root]])));
    shapes.push(Shape::open("line.axis", vec![[gripped - 4.0 * k, 0.0], [far + 6.0 * k, 0.0]]));
    let outer = if at.internal { held } else { r };
    if at.broken {
        shapes.extend(broken(far * 0.85, outer, k));
    }
    if at.neck_broken && !at.internal {
        shapes.extend(broken(at.jaws * 0.5, held, k));
    }
    shapes
}

/// Two slanted lines where a long part is shown broken off.
fn broken(x: f64, height: f64, k: f64) -> [Shape; 2] {
    let h = height + 2.0 * k;
    [0.0, 3.0 * k].map(|off| Shape::open("line.break", vec![[x + off + 2.0 * k, h], [x + off - k, h * 0.2], [x + off + k, -h * 0.2], [x + off - 2.0 * k, -h]]))
}

/// What stands at the ends: a centre, a steady, and whatever was told of beyond the thread.
fn far_end(at: &Layout<'_>, by: Holding) -> Vec<Shape> {
    let (k, r, far) = (at.k, at.r, at.far);
    let mut shapes = Vec::new();
    let centred = at.blank.support != Support::None || matches!(by, Holding::Centres | Holding::Arbor);
    if centred && !at.internal {
        // A point of 60 degrees in its hole.
        let half = (0.3 * r).max(3.0 * k);
        let slope = half * 3.0_f64.sqrt();
        let quill = half + 6.0 * k;
        let sides = [
            [far - slope * 0.4, 0.0],
            [far + slope * 0.6, half],
            [far + slope * 0.6 + 10.0 * k, half],
            [far + slope * 0.6 + 10.0 * k, quill],
            [far + 80.0 * k, quill],
        ];
        let cone: Vec<Point> = sides.iter().copied().chain(sides.iter().rev().map(|p| [p[0], -p[1]])).collect();
        shapes.push(Shape::closed("motion.chuck", cone));
    }
    if at.blank.support == Support::Steady && !at.internal {
        for side in [1.0, -1.0] {
            let (inner, outer) = (side * r, side * (r + 14.0 * k));
            let x = at.tip()[0] - at.ahead - 5.0 * k;
            shapes.push(Shape::rect("motion.chuck", [x - 2.0 * k, inner.min(outer)], [x + 2.0 * k, inner.max(outer)]));
        }
    }
    if let Some(gap) = at.blank.beyond_mm.filter(|_| !at.blank.shoulder) {
        let h = at.held + 12.0 * k;
        shapes.push(Shape::open("setup.beyond", vec![[-gap, -h], [-gap, h]]));
    }
    shapes
}

/// The bit as wide as it is, its holder or bar, and the slide that carries the depth, leaned as it is to be set.
fn tool(at: &Layout<'_>) -> Vec<Shape> {
    let (k, across, ahead, tip, seat) = (at.k, at.across, at.ahead, at.tip(), at.seat());
    let nose = ahead * 1.4;
    let mut shapes = Vec::new();
    let bit = |x: f64, far: f64| vec![tip, [x - ahead, tip[1] - nose * across], [x - ahead, far], [x + ahead, far], [x + ahead, tip[1] - nose * across]];
    if at.internal {
        // The bar lies along the bore; what of it stands ahead of the point is the bit's own.
        let half = (0.45 * at.r).min(7.0 * k);
        let middle = tip[1] - (nose.min(at.r) + half).min(at.r * 1.2) * across;
        shapes.push(Shape::closed("motion.bit", vec![tip, [tip[0] - ahead.min(at.r), middle], [tip[0] + ahead.min(at.r), middle]]));
        shapes.push(Shape::rect("motion.bit", [tip[0] - ahead.min(at.r), middle - half], [seat[0], middle + half]));
    } else {
        shapes.push(Shape::closed("motion.bit", bit(tip[0], tip[1] - (nose + 30.0 * k) * across)));
    }
    let body = [at.back(seat, -34.0 * k, -20.0 * k), at.back(seat, -34.0 * k, 20.0 * k), at.back(seat, 34.0 * k, 20.0 * k), at.back(seat, 34.0 * k, -20.0 * k)];
    shapes.push(Shape::closed("setup.compound", body.to_vec()));
    // Its handle is on the operator's side.
    let to_operator = if at.feed()[1] > 0.0 { 1.0 } else { -1.0 };
    let handle = at.back(seat, 48.0 * k * to_operator, 0.0);
    shapes.push(Shape::open("setup.compound", vec![at.back(seat, 34.0 * k * to_operator, 0.0), handle]));
    shapes.push(Shape::circle("setup.handle", handle, 11.0 * k));
    // The line its lean is counted from.
    shapes.push(Shape::open("line.centre", vec![[seat[0], seat[1] - 52.0 * k], [seat[0], seat[1] + 52.0 * k]]));
    shapes
}

/// Where the arrow of the infeed stands, and that of the way out.
fn beside(at: &Layout<'_>) -> [Point; 2] {
    let (k, tip) = (at.k, at.tip());
    // In stands behind the bit as the carriage goes, out before it.
    let behind = if at.toward { 1.0 } else { -1.0 };
    let aside = -(at.ahead + 22.0 * k) * behind * at.across;
    let clear = tip[0] - (at.ahead + 16.0 * k) * behind;
    [at.back(tip, 8.0 * k, aside), [clear, tip[1] - 10.0 * k * at.across]]
}

/// Which way everything moves, and where a pass starts and stops.
fn ways(at: &Layout<'_>) -> Vec<Shape> {
    let k = at.k;
    let mut shapes = Vec::new();
    let down = if at.plan.setup.spindle == Spindle::Forward { -24.0 * k } else { 24.0 * k };
    let spindle = at.jaws - 40.0 * k;
    shapes.extend(at.named("setup.spindle", [spindle, -down], [spindle, down]));
    let [infeed, clear] = beside(at);
    shapes.extend(at.named("setup.infeed", at.back(infeed, 40.0 * k, 0.0), at.back(infeed, 6.0 * k, 0.0)));
    shapes.extend(at.named("setup.retract", clear, [clear[0], clear[1] - 32.0 * k * at.across]));
    let [start, stop, _] = at.stroke();
    let h = at.height();
    shapes.push(Shape::open("setup.start", vec![[start, -h], [start, h]]));
    shapes.push(Shape::open("setup.stop", vec![[stop, -h], [stop, h]]));
    let y = (h + 6.0 * k) * at.open_side();
    shapes.extend(at.named("setup.carriage", [start, y], [stop, y]));
    shapes
}

/// The rooms along the axis, each with what it is.
fn rooms(at: &Layout<'_>, voice: Voice) -> Vec<Dimension> {
    let setup = &at.plan.setup;
    let [start, stop, stands] = at.stroke();
    // On the side the tool does not stand.
    let y = (at.held.max(at.r) + 30.0 * at.k) * at.open_side();
    let along = |name, says: String, figure: Quantity, from: f64, to: f64| Dimension::new(name, says, figure, [from.min(to), y], [from.max(to), y]);
    let mut list = vec![along("length", say!(voice, "dim-threaded-length"), at.plan.thread.length_mm.clone(), 0.0, at.far).signed(say!(voice, "sign-thread"))];
    if setup.run_up_mm.value > 0.0 {
        let end = if at.toward { at.far } else { at.mark() };
        list.push(along("run_up", say!(voice, "dim-run-up"), setup.run_up_mm.clone(), end, start).signed(say!(voice, "sign-run-up")));
    }
    if setup.stopping_mm.value > 0.0 {
        list.push(along("runs_on", say!(voice, "dim-runs-on"), setup.stopping_mm.clone(), stop, stands).signed(say!(voice, "sign-runs-on")));
    }
    let plain = |q: Quantity| Quantity { w: None, ..q };
    if let Some(relief) = &at.plan.blank.relief {
        list.push(
            along(
                "relief_width",
                say!(voice, "dim-relief-width"),
                plain(relief.width_mm.clone()),
                0.0,
                at.blank.relief_width_mm.unwrap_or(relief.width_mm.value),
            )
            .signed(say!(voice, "sign-relief")),
        );
    } else if let Some(gap) = at.plan.blank.beyond.as_ref().and_then(|b| b.gap_mm.clone()).filter(|g| g.value > 0.0) {
        let shown = if at.blank.beyond_mm.is_some() { gap.value } else { -at.jaws };
        list.push(along("room", say!(voice, "dim-room-past"), gap, -shown, 0.0).signed(say!(voice, "sign-room")));
    }
    if let Some(out) = at.blank.stick_out_mm.filter(|_| !at.internal) {
        list.push(along("stick_out", say!(voice, "dim-stands-out"), Quantity::given(voice, out), at.jaws, at.far).signed(say!(voice, "sign-from-jaws")));
    }
    list
}

fn words(at: &Layout<'_>) -> Vec<Shape> {
    let voice = at.plan.voice;
    let (plan, k, across) = (at.plan, at.k, at.across);
    let [start, stop, _] = at.stroke();
    let [infeed, clear] = beside(at);
    let (seat, tip) = (at.seat(), at.tip());
    let y = (at.height() + 2.0 * k) * at.open_side();
    let low = if at.internal { seat[1] - 72.0 * k } else { seat[1].min(-at.height()) - 64.0 * k };
    let mut list = vec![
        Shape::word([at.jaws - 62.0 * k, 0.0], if plan.setup.spindle == Spindle::Forward { say!(voice, "word-forward") } else { say!(voice, "word-reversed") }),
        Shape::word([start, y], say!(voice, "word-start")),
        Shape::word([stop, y], say!(voice, "word-stop")),
        Shape::word([f64::midpoint(start, stop), y + 8.0 * k * at.open_side()], say!(voice, "word-carriage")),
        Shape::word([clear[0], clear[1] - 38.0 * k * across], say!(voice, "word-out")),
        Shape::word(at.back(infeed, 46.0 * k, 0.0), say!(voice, "word-in")),
        Shape::word([f64::midpoint(at.jaws, at.far), low], say!(voice, "motion-you-stand")),
        Shape::said(
            "word.beside",
            [tip[0] + at.ahead + 4.0 * k, tip[1] - 20.0 * k * across],
            if plan.setup.upright { say!(voice, "picture-upright") } else { say!(voice, "picture-inverted") },
        ),
    ];
    if plan.cut.style.slants() {
        list.push(Shape::said(
            "word.beside",
            [seat[0] + 44.0 * k, seat[1] - 10.0 * k],
            say!(voice, "picture-on-scale", deg = plain_text(plan.cut.scale_deg, 1)),
        ));
    }
    list
}
