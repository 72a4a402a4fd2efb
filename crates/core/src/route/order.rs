//! The lessons of order, as a table: what comes before what, and why. A route in another order is not refused; it is told what that
//! order costs, and the move that mends it.

use super::{Member, OpKind, Operation, Route};
use crate::voice::Voice;
use OpKind::{Bore, Centre, Chamfer, Dress, Drill, Face, Length, PartOff, Plain, Prove, Relief, Saw, SecondChamfer, Thread, Turn};
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
    lesson(Saw, Face, Shared::Piece, "a sawn end is faced after it is sawn"),
    lesson(Face, Centre, Shared::Chucking, "a {center} drilled in a rough end starts off the axis and the point wanders"),
    lesson(Face, Turn, Shared::Chucking, "lengths are taken from the faced end"),
    lesson(Centre, Turn, Shared::Chucking, "what the tailstock supports is turned after it is supported"),
    lesson(Face, Drill, Shared::Chucking, "a drill wanders on an end that is not faced"),
    lesson(Drill, Bore, Shared::Job, "the bar needs the drilled hole to enter"),
    lesson(Turn, Relief, Shared::Job, "the relief\u{2019}s depth is taken from the turned diameter"),
    lesson(Bore, Relief, Shared::Job, "the relief\u{2019}s depth is taken from the bore"),
    lesson(Turn, Chamfer, Shared::Job, "turning after it takes the chamfer off again"),
    lesson(Bore, Chamfer, Shared::Job, "boring after it takes the chamfer off again"),
    lesson(Turn, Thread, Shared::Job, "the thread is cut on its turned blank"),
    lesson(Bore, Thread, Shared::Job, "the thread is cut in its finished bore"),
    lesson(Relief, Thread, Shared::Job, "without its relief the tool has nowhere to end, and digs in"),
    lesson(Chamfer, Thread, Shared::Job, "unchamfered, the first thread raises a feather edge that holds the mate off"),
    lesson(Plain, Thread, Shared::Chucking, "heavy cuts after the thread may shift the part, or mark it: thread last"),
    lesson(Thread, Dress, Shared::Job, "threading raises the crests it is dressed for"),
    lesson(Dress, Prove, Shared::Job, "a burr lifts the wires and binds the mate: dress before it is measured"),
    lesson(Thread, Prove, Shared::Job, "there is nothing to measure yet"),
    lesson(Prove, PartOff, Shared::Chucking, "parted off, it does not go back true: prove it while it is held"),
    lesson(PartOff, Length, Shared::Piece, "the second end is reached when the part is off"),
    lesson(Length, SecondChamfer, Shared::Piece, "facing after it takes the chamfer off again"),
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
                remark(*first, *then, format!("{} stands after {}: {}.", name(first.op, voice), name(then.op, voice).to_lowercase(), lesson.why));
            }
        }
    }
    let of = |job: &str, kind: OpKind| placed.iter().find(|p| p.op.kind == kind && p.op.job.as_deref() == Some(job)).copied();
    for member in members {
        let (thread, proof) = (of(member.job, Thread), of(member.job, Prove));
        if let (Some(thread), Some(proof)) = (thread, proof)
            && thread.setup < proof.setup
            && let Some(next) = placed.iter().find(|p| p.setup > thread.setup && p.at <= proof.at)
        {
            remark(proof, *next, "It is out of its chuck before it is measured: measure before you open it, or nothing can be taken off any more.".into());
        }
        let blank = of(member.job, Turn).or_else(|| of(member.job, Bore));
        if let (true, Some(blank), Some(thread)) = (member.facts.blank.runs_true, blank, thread)
            && blank.setup != thread.setup
        {
            remark(thread, thread, "It must run true, and its blank is made in another chucking: turn it and thread it in one.".into());
        }
        // Make first what the other is fitted to.
        if member.plan.pair.as_ref().is_some_and(|p| p.first == Some(true)) {
            let other = members.iter().find(|m| Some(m.job) == member.mate && m.plan.pair.as_ref().is_some_and(|p| p.first == Some(false)));
            if let (Some(other), Some(proof)) = (other, proof)
                && let Some(second) = of(other.job, Thread)
                && second.at < proof.at
            {
                remark(proof, second, format!("{} is fitted to this one as made: make and measure this first.", other.title));
            }
        }
    }
    out.sort_by_key(|(at, _)| *at);
    out.into_iter().map(|(_, r)| r).collect()
}

/// What an operation is called: the user's name for it, or the app's.
pub(super) fn name(op: &Operation, voice: Voice) -> String {
    op.says.clone().unwrap_or_else(|| {
        let name = match op.kind {
            Saw => "Saw the stock",
            Face => "Face the end",
            Centre => "{Center} it",
            Drill => "Drill",
            Turn => "Turn the blank",
            Bore => "Bore",
            Plain => "Plain sizes",
            Relief => "The relief",
            Chamfer => "Chamfer the entrance",
            Thread => "Thread",
            Dress => "Dress crests and ends",
            Prove => "Prove the size",
            PartOff => "Part off",
            Length => "Face the second end to length",
            SecondChamfer => "Chamfer the second end",
            OpKind::Own => "Your own",
        };
        voice.fill(name)
    })
}
