//! The ways there are, each seen: how a thread may end, how a pass may, how the work may be held. Made on request, beside their numbers in
//! the plan.

use super::picture;
use crate::direction::Carriage;
use crate::job::{EndKind, Ending, Holding, Job};
use crate::outline::{Drawing, Point, Shape, arrow};
use crate::plan::Pointed;
use crate::say;
use crate::thread::Side;
use serde::Serialize;

/// A way for the thread to end.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct EndSeen {
    /// Which.
    pub end: EndKind,
    /// The end of the thread, to scale.
    pub drawing: Drawing,
}

/// A way for a pass to end.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct PassEndSeen {
    /// Which.
    pub ending: Ending,
    /// What is done, in order.
    pub says: String,
    /// The tool's round.
    pub drawing: Drawing,
}

/// A way of holding the work.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct HoldingSeen {
    /// Which.
    pub holding: Holding,
    /// From above.
    pub drawing: Drawing,
}

/// Every way there is, seen.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct WaysSheet {
    /// How the thread may end.
    pub ends: Vec<EndSeen>,
    /// How a pass may end.
    pub pass_ends: Vec<PassEndSeen>,
    /// How the work may be held.
    pub holdings: Vec<HoldingSeen>,
}

/// Draws them.
#[must_use]
pub fn ways_sheet(plan: &Pointed<'_>, job: &Job) -> WaysSheet {
    let blank = &plan.blank;
    WaysSheet {
        ends: blank.endings.iter().map(|e| EndSeen { end: e.end, drawing: thread_end(plan, job, e.end, e.usable_mm.value, &e.says) }).collect(),
        pass_ends: plan.setup.endings.iter().map(|e| pass_end(plan, e.ending)).collect(),
        holdings: blank.holdings.iter().map(|h| HoldingSeen { holding: h.holding, drawing: picture::held(plan, job, h.holding, &h.says) }).collect(),
    }
}

/// The last of the thread with what it ends in, the free end to the left as on the blank; what is lost of it is true.
fn thread_end(plan: &Pointed<'_>, job: &Job, end: EndKind, usable: f64, says: &str) -> Drawing {
    let external = plan.thread.side == Side::External;
    let inward = if external { -1.0 } else { 1.0 };
    let (used, length) = (plan.blank.used_mm.value, plan.thread.length_mm.value);
    let (r, root) = (used / 2.0, plan.blank.chamfer_mm.value / 2.0);
    let lost = (length - usable).clamp(0.0, length * 0.8);
    let shown = (lost * 1.6).max(used * 0.9);
    let floor = root + inward * used * 0.02;
    let shoulder = job.blank.shoulder && end != EndKind::Open;
    let step = if shoulder { job.blank.shoulder_mm.filter(|_| external).map_or(used * 0.16, |d| d / 2.0 - r) } else { 0.0 };
    let tail = used * 0.3;
    let gap: Vec<Point> = match end {
        EndKind::Relief => vec![[-lost, r], [-lost, floor], [0.0, floor]],
        EndKind::PlungedRing => vec![[-lost, r], [-lost / 2.0, floor], [0.0, r]],
        EndKind::DrilledPocket => vec![[-lost, r], [-lost, floor], [-lost / 2.0, floor + inward * lost * 0.15], [0.0, floor], [0.0, r]],
        EndKind::Withdraw | EndKind::Open => vec![[0.0, r]],
    };
    // The edge of the metal from the broken end to the tail, and back along the axis of a screw, or outside a bore.
    let back = if external { 0.0 } else { r + used * 0.35 };
    let mut metal = vec![[-shown, back], [-shown, r]];
    metal.extend(gap);
    match (external, shoulder, end) {
        (_, false, EndKind::Open) => metal.push([0.0, back]),
        (true, true, _) => metal.extend([[0.0, r + step], [tail, r + step], [tail, back]]),
        (false, true, _) => metal.extend([[0.0, 0.0], [tail, 0.0], [tail, back]]),
        (_, false, _) => metal.extend([[0.0, r], [tail, r], [tail, back]]),
    }
    let full = match end {
        EndKind::Open => vec![[-shown, root], [0.0, root]],
        EndKind::Withdraw => vec![[-shown, root], [-lost, root], [0.0, r]],
        _ => vec![[-shown, root], [-lost, root]],
    };
    let shapes = vec![Shape::closed("blank.metal", metal), Shape::open("blank.thread", full)];
    Drawing::beside(plan.voice, say!(plan.voice, "ways-ending", says = &says), shapes, Vec::new())
}

/// The tool's round seen from above, headstock to the left: cut, out, back, in. A filled mark is the half-nut closed, an open one opened; the
/// stroke back is broken where the leadscrew does not drive it.
fn pass_end(plan: &Pointed<'_>, ending: Ending) -> PassEndSeen {
    let voice = plan.voice;
    let says = match ending {
        Ending::Closed => say!(voice, "round-closed"),
        Ending::SameMark => say!(voice, "round-same-mark"),
        Ending::Hand => say!(voice, "round-hand"),
        Ending::ChalkMarks => say!(voice, "round-chalk"),
        Ending::Dial | Ending::Auto => say!(voice, "round-dial"),
    };
    let stays = matches!(ending, Ending::Closed | Ending::Hand);
    // A pass runs to the left where the carriage goes to the headstock.
    let toward = plan.setup.carriage == Carriage::TowardHeadstock;
    let [start, stop] = if toward { [100.0, -100.0] } else { [-100.0, 100.0] };
    // Out and in, as the tool stands to the work.
    let y: f64 = if plan.setup.infeed_away { -56.0 } else { 56.0 };
    let inset = if toward { -10.0 } else { 10.0 };
    let mut shapes = vec![Shape::rect("motion.work", [-130.0, 8.0 * -y.signum()], [130.0, 30.0 * -y.signum()])];
    for (role, from, to) in [
        ("pass.cut", [start, 0.0], [stop, 0.0]),
        ("pass.out", [stop, 0.16 * y], [stop, y]),
        (if stays { "pass.back" } else { "pass.free" }, [stop - inset, y], [start + inset, y]),
        ("pass.in", [start, 0.84 * y], [start, 0.12 * y]),
    ] {
        let [shaft, head] = arrow(from, to, 1.2);
        shapes.extend([Shape { role, ..shaft }, head]);
    }
    shapes.push(Shape::circle("nut.closed", [start, 0.0], 8.0));
    shapes.push(Shape::circle(if stays { "nut.closed" } else { "nut.open" }, [stop, y], 8.0));
    PassEndSeen { ending, drawing: Drawing::chart(plan.voice, says.clone(), [-130.0, -62.0, 130.0, 62.0], shapes, Vec::new()), says }
}
