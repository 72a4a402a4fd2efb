//! The lessons of order, as a table: what comes before what, and why. A route in another order is not refused; it is told what that
//! order costs, and the move that mends it.

use super::{Member, OpKind, Operation, Route};
use crate::say;
use crate::voice::Voice;
use OpKind::{
    Bore, Centre, Chamfer, Chase, ChaseTap, CrossDrill, Die, Dress, Drill, Face, Harden, Knurl, Length, PartOff, Plain, Polish, Prove, Relief, Saw,
    SecondChamfer, Tap, Temper, Thread, Turn, Weld,
};
use serde::Serialize;

/// What two operations must share for a rule to bind them.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
enum Shared {
    /// The same piece of metal.
    Piece,
    /// The same thread.
    Job,
    /// The same chucking.
    Chucking,
}

/// One lesson: `first` before `then`.
struct Lesson {
    first: OpKind,
    then: OpKind,
    of: Shared,
    why: &'static str,
}

const fn lesson(first: OpKind, then: OpKind, of: Shared, why: &'static str) -> Lesson {
    Lesson { first, then, of, why }
}

/// Shop practice, each with its reason.
#[rustfmt::skip]
const LESSONS: &[Lesson] = &[
    lesson(Saw, Face, Shared::Piece, "lesson-saw-face"),
    lesson(Face, Centre, Shared::Chucking, "lesson-face-center"),
    lesson(Face, Turn, Shared::Chucking, "lesson-face-turn"),
    lesson(Centre, Turn, Shared::Chucking, "lesson-center-turn"),
    lesson(Face, Drill, Shared::Chucking, "lesson-face-drill"),
    lesson(Drill, Bore, Shared::Job, "lesson-drill-bore"),
    lesson(Turn, Relief, Shared::Job, "lesson-turn-relief"),
    lesson(Bore, Relief, Shared::Job, "lesson-bore-relief"),
    lesson(Turn, Chamfer, Shared::Job, "lesson-turn-chamfer"),
    lesson(Bore, Chamfer, Shared::Job, "lesson-bore-chamfer"),
    lesson(Turn, Thread, Shared::Job, "lesson-turn-thread"),
    lesson(Bore, Thread, Shared::Job, "lesson-bore-thread"),
    lesson(Relief, Thread, Shared::Job, "lesson-relief-thread"),
    lesson(Chamfer, Thread, Shared::Job, "lesson-chamfer-thread"),
    lesson(Plain, Thread, Shared::Chucking, "lesson-plain-thread"),
    lesson(Thread, Chase, Shared::Job, "lesson-thread-chase"),
    lesson(Thread, ChaseTap, Shared::Job, "lesson-thread-chase"),
    lesson(ChaseTap, Dress, Shared::Job, "lesson-thread-dress"),
    lesson(ChaseTap, Prove, Shared::Job, "lesson-chase-prove"),
    lesson(Turn, Die, Shared::Job, "lesson-turn-die"),
    lesson(Chamfer, Die, Shared::Job, "lesson-chamfer-die"),
    lesson(Relief, Die, Shared::Job, "lesson-relief-die"),
    lesson(Die, Prove, Shared::Job, "lesson-thread-prove"),
    lesson(Drill, Tap, Shared::Job, "lesson-drill-tap"),
    lesson(Bore, Tap, Shared::Job, "lesson-drill-tap"),
    lesson(Chamfer, Tap, Shared::Job, "lesson-chamfer-tap"),
    lesson(Tap, Prove, Shared::Job, "lesson-thread-prove"),
    lesson(Chase, Dress, Shared::Job, "lesson-thread-dress"),
    lesson(Chase, Prove, Shared::Job, "lesson-chase-prove"),
    lesson(Thread, Dress, Shared::Job, "lesson-thread-dress"),
    lesson(Dress, Prove, Shared::Job, "lesson-dress-prove"),
    lesson(Thread, Prove, Shared::Job, "lesson-thread-prove"),
    lesson(Knurl, Thread, Shared::Chucking, "lesson-knurl-thread"),
    lesson(Knurl, Die, Shared::Chucking, "lesson-knurl-thread"),
    lesson(CrossDrill, Thread, Shared::Piece, "lesson-cross-drill-thread"),
    lesson(Weld, Thread, Shared::Piece, "lesson-weld-thread"),
    lesson(Thread, Harden, Shared::Piece, "lesson-thread-harden"),
    lesson(Die, Harden, Shared::Piece, "lesson-thread-harden"),
    lesson(Tap, Harden, Shared::Piece, "lesson-thread-harden"),
    lesson(CrossDrill, Harden, Shared::Piece, "lesson-thread-harden"),
    lesson(Harden, Temper, Shared::Piece, "lesson-harden-temper"),
    lesson(Temper, Polish, Shared::Piece, "lesson-temper-polish"),
    lesson(Prove, PartOff, Shared::Chucking, "lesson-prove-part-off"),
    lesson(PartOff, Length, Shared::Piece, "lesson-part-off-length"),
    lesson(Length, SecondChamfer, Shared::Piece, "lesson-length-second-chamfer"),
];

/// What an order costs, and the move that mends it.
#[derive(Debug, Clone, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct OrderRemark {
    /// The operation that stands too late.
    pub op: String,
    /// The operation it should stand before, in that one's set-up.
    pub before: String,
    /// In one sentence.
    pub says: String,
}

/// An operation with where it stands.
#[derive(Clone, Copy)]
struct Placed<'a> {
    at: usize,
    setup: usize,
    piece: Option<&'a str>,
    op: &'a Operation,
}

impl Shared {
    fn binds(self, a: Placed<'_>, b: Placed<'_>) -> bool {
        match self {
            Self::Piece => a.piece == b.piece,
            Self::Job => a.op.job.is_some() && a.op.job == b.op.job,
            Self::Chucking => a.setup == b.setup,
        }
    }
}

/// Every lesson this order goes against, by the place of what suffers.
#[must_use]
pub fn remarks(route: &Route, members: &[Member<'_>], voice: Voice) -> Vec<OrderRemark> {
    let placed: Vec<Placed<'_>> =
        route.ops().enumerate().map(|(at, (setup, op))| Placed { at, setup, piece: route.setups[setup].piece.as_deref(), op }).collect();
    let mut out = Vec::new();
    let mut remark = |first: Placed<'_>, then: Placed<'_>, why: String| {
        out.push((then.at, OrderRemark { op: first.op.id.clone(), before: then.op.id.clone(), says: why }));
    };
    for lesson in LESSONS {
        for first in placed.iter().filter(|p| p.op.kind == lesson.first) {
            // Against the earliest it should stand before; the rest follow from that.
            let then = placed.iter().find(|p| p.op.kind == lesson.then && p.at < first.at && lesson.of.binds(*first, **p));
            if let Some(then) = then {
                remark(
                    *first,
                    *then,
                    say!(voice, "order-stands-after", first = name(first.op, voice), then = name(then.op, voice), why = say!(voice, lesson.why)),
                );
            }
        }
    }
    let of = |job: &str, kind: OpKind| placed.iter().find(|p| p.op.kind == kind && p.op.job.as_deref() == Some(job)).copied();
    for member in members {
        let made = |job: &str| placed.iter().find(|p| p.op.kind.makes_thread() && p.op.job.as_deref() == Some(job)).copied();
        let (thread, proof) = (made(member.job), of(member.job, Prove));
        if let (Some(thread), Some(proof)) = (thread, proof)
            && thread.setup < proof.setup
            && let Some(next) = placed.iter().find(|p| p.setup > thread.setup && p.at <= proof.at)
        {
            remark(proof, *next, say!(voice, "order-out-of-chuck"));
        }
        let blank = of(member.job, Turn).or_else(|| of(member.job, Bore));
        if let (true, Some(blank), Some(thread)) = (member.facts.blank.runs_true, blank, thread)
            && blank.setup != thread.setup
        {
            remark(thread, thread, say!(voice, "order-runs-true"));
        }
        // Make first what the other is fitted to.
        if member.plan.pair.as_ref().is_some_and(|p| p.first == Some(true)) {
            let other = members.iter().find(|m| Some(m.job) == member.mate && m.plan.pair.as_ref().is_some_and(|p| p.first == Some(false)));
            if let (Some(other), Some(proof)) = (other, proof)
                && let Some(second) = made(other.job)
                && second.at < proof.at
            {
                remark(proof, second, say!(voice, "order-fitted", other = &other.title));
            }
        }
    }
    out.sort_by_key(|(at, _)| *at);
    out.into_iter().map(|(_, r)| r).collect()
}

/// What an operation is called: the user's name for it, or the app's.
pub(crate) fn name(op: &Operation, voice: Voice) -> String {
    op.says.clone().unwrap_or_else(|| kind_says(op.kind, voice))
}

/// What the app calls an operation of this kind.
pub(super) fn kind_says(kind: OpKind, voice: Voice) -> String {
    let id = match kind {
        Saw => "op-saw",
        Face => "op-face",
        Centre => "op-center",
        Drill => "op-drill",
        Turn => "op-turn",
        Bore => "op-bore",
        Plain => "op-plain",
        Relief => "op-relief",
        Chamfer => "op-chamfer",
        Thread => "op-thread",
        Dress => "op-dress",
        Prove => "op-prove",
        PartOff => "op-part-off",
        Length => "op-length",
        Chase => "op-chase",
        ChaseTap => "op-chase-tap",
        Die => "op-die",
        Tap => "op-tap",
        SecondChamfer => "op-second-chamfer",
        OpKind::Own => "op-own",
        OpKind::Groove => "op-groove",
        OpKind::Ream => "op-ream",
        Knurl => "op-knurl",
        CrossDrill => "op-cross-drill",
        OpKind::Flats => "op-flats",
        OpKind::Hexagon => "op-hexagon",
        OpKind::Slot => "op-slot",
        OpKind::Split => "op-split",
        OpKind::Mandrel => "op-mandrel",
        OpKind::Fit => "op-fit",
        Weld => "op-weld",
        Harden => "op-harden",
        Temper => "op-temper",
        Polish => "op-polish",
    };
    say!(voice, id)
}
