//! The blank to scale: half section above the axis, mirrored below it.

use super::{Mark, Register};
use crate::job::EndKind;
use crate::outline::{Dimension, Drawing, Point, Shape};
use crate::say;
use crate::thread::Side;
use crate::thread::form::Thread;
use crate::voice::Voice;
use crate::working::{Num, Quantity};

/// The relief, ring or pocket as it is, or as it must be.
pub(super) struct Gap {
    pub diameter: Quantity,
    pub width: Quantity,
    /// Radius of its corners, of a turned relief.
    pub corner: Option<Quantity>,
    /// Depth to its bottom, radial.
    pub bottom: f64,
}

/// What is drawn.
pub(super) struct Drawn<'a> {
    pub thread: &'a Thread,
    pub used: f64,
    pub chamfer: Num,
    pub followed: EndKind,
    pub shoulder: bool,
    pub relief: Option<Gap>,
    /// Full thread left.
    pub usable: f64,
    pub mark: &'a Mark,
    pub register: Option<&'a Register>,
    /// Diameter of the shoulder, when told.
    pub shoulder_mm: Option<f64>,
    /// How long the bevel is for each mm it goes down: 1 at 45°.
    pub bevel_times: f64,
    /// Of a blind tapped hole, how deep it goes at its full diameter, and to the drill's tip.
    pub hole: Option<[f64; 2]>,
}

/// Two lengths nearer than this are one, mm.
const SAME_MM: f64 = 0.05;
/// Steps of a drawn arc.
const ARC: u32 = 6;

/// The edge of the blank from the free end to where the thread ends, on one side of the axis. `inward` is −1
/// on a screw, whose cuts go toward the axis, and 1 in a bore.
fn edge(d: &Drawn<'_>, gap: Option<&Gap>, shown: f64, inward: f64) -> Vec<Point> {
    let (r, chamfer) = (d.used / 2.0, d.chamfer.value / 2.0);
    let bevel = (r - chamfer).abs() * d.bevel_times;
    let mut line = Vec::new();
    let mut mouth = 0.0;
    if let Some(register) = d.register {
        let (radius, depth) = (register.max_mm.value / 2.0, register.depth_mm.value.min(shown * 0.4));
        // A plain part before the thread: the thread's own face is at its end.
        line.extend([[-depth, radius], [0.0, radius]]);
        if inward * (chamfer - radius) > 0.0 {
            mouth = bevel;
            line.extend([[0.0, chamfer], [bevel, r]]);
        } else {
            line.push([0.0, r]);
        }
    } else {
        mouth = bevel;
        line.extend([[0.0, chamfer], [bevel, r]]);
    }
    let Some(gap) = gap else {
        line.push([shown.max(mouth), r]);
        return line;
    };
    let (width, depth) = (gap.width.value, (gap.diameter.value / 2.0 - r).abs());
    let (start, floor) = (shown - width, r + inward * depth);
    match d.followed {
        EndKind::PlungedRing => {
            // Plunged by the bit, so its sides are the flanks.
            let slope = depth * d.thread.alpha_deg.to_radians().tan();
            let half = (width / 2.0 - slope).max(0.0);
            let middle = start + width / 2.0;
            line.extend([[start, r], [middle - half, floor], [middle + half, floor], [shown, r]]);
        }
        EndKind::DrilledPocket => {
            // The drill's point goes below the full width by about a third of its radius.
            line.extend([[start, r], [start, floor], [start + width / 2.0, floor + inward * width * 0.15], [shown, floor], [shown, r]]);
        }
        _ => {
            let corner = gap.corner.as_ref().map_or(0.0, |c| c.value).min(depth).min(width / 2.0);
            line.push([start, r]);
            let arc = |centre: f64, from: f64| {
                (0..=ARC).map(move |i| {
                    let a = (from + f64::from(i) / f64::from(ARC)) * std::f64::consts::FRAC_PI_2;
                    [centre - corner * a.cos(), floor - inward * (corner - corner * a.sin())]
                })
            };
            line.extend(arc(start + corner, 0.0));
            line.extend(arc(shown - corner, 1.0));
        }
    }
    line
}

/// Draws the blank or bore with its register, chamfer, ending and shoulder; the thread starts at the left-hand
/// free end.
pub(super) fn blank(d: &Drawn<'_>, voice: Voice) -> Drawing {
    let (thread, used) = (d.thread, d.used);
    let external = thread.spec.side == Side::External;
    let inward = if external { -1.0 } else { 1.0 };
    let (length, r) = (thread.length, used / 2.0);
    // A long part is shown broken off: its ends are what matters.
    let shown = length.min(used * 2.2).max(d.relief.as_ref().map_or(0.0, |x| x.width.value * 2.0));
    let broken = shown < length;
    let upper = edge(d, d.relief.as_ref(), shown, inward);
    let left = upper.first().map_or(0.0, |p| p[0]);
    // A tapped hole goes on past its thread, to the drill's cone.
    let past = d.hole.map(|[full, tip]| [shown + full - length, shown + tip - length]);
    let tail = past.map_or(shown, |[_, tip]| tip) + used * 0.35;
    let deepest = d.relief.as_ref().map_or(0.0, |g| g.bottom);
    let shoulder = d.shoulder_mm.map_or(r + used * 0.22, |s| s / 2.0);
    let wall = (r + used * 0.3).max(r + deepest + used * 0.12).max(upper.iter().map(|p| p[1]).fold(r, f64::max) + used * 0.12);
    let inner = if external { 0.0 } else { wall };
    let metal = |edge: Vec<Point>| {
        let mut metal = vec![[left, inner]];
        metal.extend(edge);
        match (external, d.shoulder) {
            (false, true) if past.is_some() => metal.extend(past.into_iter().flat_map(|[full, tip]| [[full, r], [tip, 0.0], [tail, 0.0]])),
            (true, true) => metal.extend([[shown, shoulder], [tail, shoulder]]),
            (false, true) => metal.extend([[shown, 0.0], [tail, 0.0]]),
            (_, false) => metal.extend([[shown, r], [tail, r]]),
        }
        metal.push([tail, inner]);
        metal
    };
    // A pocket is drilled on one side; a groove goes round.
    let below = d.relief.as_ref().filter(|_| d.followed != EndKind::DrilledPocket);
    let lower = metal(edge(d, below, shown, inward)).into_iter().map(|p| [p[0], -p[1]]).collect();
    let height = if external { if d.shoulder { shoulder.max(r) } else { r } } else { wall };
    let mut shapes = vec![
        Shape::closed("blank.metal", metal(upper)),
        Shape::closed("blank.metal", lower),
        Shape::open("line.axis", vec![[left - used * 0.08, 0.0], [tail + used * 0.05, 0.0]]),
    ];
    shapes.extend(thread_lines(d, shown, inward));
    if broken {
        shapes.extend(break_lines(shown * 0.55, height, used));
    }
    let (side, size, along) = (if external { "outside" } else { "inside" }, voice.length(used), voice.along(length));
    Drawing::new(
        voice,
        match &d.relief {
            None => say!(voice, "blank-drawn", side = side, size = size, length = along),
            Some(g) => {
                let (wide, deep) = (voice.least(g.width.value), voice.length(g.diameter.value));
                say!(voice, "blank-drawn-relief", side = side, size = size, length = along, gap = d.followed.gap(), wide = wide, down = deep)
            }
        },
        shapes,
        dimensions(d, shown, left, height, voice),
    )
}

/// The root of the thread to come, fading out where it is withdrawn, and the mark.
fn thread_lines(d: &Drawn<'_>, shown: f64, inward: f64) -> Vec<Shape> {
    let (r, root) = (d.used / 2.0, d.used / 2.0 + inward * (d.chamfer.value / 2.0 - d.used / 2.0).abs());
    let end = shown - d.relief.as_ref().map_or(0.0, |g| g.width.value);
    let full = if d.followed == EndKind::Withdraw { (shown - (d.thread.length - d.usable)).max(0.0) } else { end };
    let mut line = vec![[0.0, root], [full, root]];
    if d.followed == EndKind::Withdraw {
        line.push([shown, r]);
    }
    let under = line.iter().map(|p| [p[0], -p[1]]).collect();
    // The mark lies as far from the end that is shown as from the real one.
    let at = (d.mark.from_face_mm.value - d.thread.length + shown).max(0.0);
    let mark = [1.0, -1.0].map(|s| Shape::open("blank.mark", vec![[at, s * r * 1.02], [at, s * (r + d.used * 0.1 * -inward)]]));
    let mut shapes = vec![Shape::open("blank.thread", line), Shape::open("blank.thread", under)];
    shapes.extend(mark);
    shapes
}

/// Two slanted lines where a long part is shown broken off.
fn break_lines(at: f64, height: f64, used: f64) -> [Shape; 2] {
    let (h, s) = (height + used * 0.03, used * 0.05);
    [0.0, used * 0.05]
        .map(|off| Shape::open("line.break", vec![[at + off + s, h], [at + off - s * 0.4, h * 0.15], [at + off + s * 0.4, -h * 0.15], [at + off - s, -h]]))
}

/// The dimensions, each of which opens the word that sets it.
fn dimensions(d: &Drawn<'_>, shown: f64, left: f64, height: f64, voice: Voice) -> Vec<Dimension> {
    let (used, r) = (d.used, d.used / 2.0);
    let external = d.thread.spec.side == Side::External;
    let under = -height - used * 0.17;
    let across = |name, says: String, figure: Quantity, at: f64, radius: f64| Dimension::new(name, says, figure, [at, -radius], [at, radius]).signed("⌀ ");
    let along = |name, says: String, figure: Quantity, y: f64, from: f64, to: f64| Dimension::new(name, says, figure, [from, y], [to, y]);
    let mut list = vec![
        across(
            "diameter",
            if external { say!(voice, "dim-blank-diameter") } else { say!(voice, "dim-bore") },
            Quantity::length(voice, used),
            left - used * 1.15,
            r,
        ),
        along("length", say!(voice, "dim-threaded-length"), Quantity::along(voice, d.thread.length), under, 0.0, shown),
    ];
    // A register hides the chamfer behind it: its own diameter stands in that place.
    list.push(match d.register {
        Some(register) => across("register", say!(voice, "dim-register"), register.max_mm.clone(), left - used * 0.24, register.max_mm.value / 2.0),
        None => across("chamfer", say!(voice, "dim-chamfer-to"), Quantity::about(voice, d.chamfer), left - used * 0.24, d.chamfer.value / 2.0),
    });
    let at = (d.mark.from_face_mm.value - d.thread.length + shown).max(shown * 0.1);
    // At the end of the thread itself it is its length once more.
    if (d.mark.from_face_mm.value - d.thread.length).abs() > SAME_MM {
        list.push(along("mark", say!(voice, "dim-mark-from-face"), d.mark.from_face_mm.clone(), under - used * 0.15, 0.0, at));
    }
    if let Some([full, _]) = d.hole {
        let deep = Quantity::least(voice, Num::from(full));
        list.push(along("hole", say!(voice, "dim-hole-full"), deep, height + used * 0.08, 0.0, shown + full - d.thread.length));
    }
    if let Some(gap) = &d.relief {
        list.push(across("relief_diameter", say!(voice, "dim-relief-diameter"), gap.diameter.clone(), shown - gap.width.value / 2.0, gap.diameter.value / 2.0));
        list.push(along("relief_width", say!(voice, "dim-relief-width"), gap.width.clone(), height + used * 0.08, shown - gap.width.value, shown));
        if let Some(corner) = &gap.corner {
            // The middle of the arc beside the shoulder.
            let (c, cos) = (corner.value, std::f64::consts::FRAC_1_SQRT_2);
            let corner_at = [shown - c + c * cos, -(gap.diameter.value / 2.0 + if external { 1.0 } else { -1.0 } * (c - c * cos))];
            list.push(Dimension::at("relief_corner", say!(voice, "dim-relief-corner"), corner.clone(), corner_at).signed("R "));
        }
    }
    if let Some(shoulder) = d.shoulder_mm.filter(|_| d.shoulder && external) {
        list.push(across("shoulder", say!(voice, "dim-shoulder-diameter"), Quantity::given(voice, shoulder), shown + used * 0.5, shoulder / 2.0));
    }
    list
}
