//! The route made from the jobs: which piece first, what is done in one chucking, what must wait for the next.

use super::{Member, OpKind, Operation, Route, SetUp};
use crate::job::{EndKind, Holding, Support};
use crate::making::Maker;
use crate::say;
use crate::thread::Side;
use crate::voice::Voice;

/// Makes the route of a part: pieces in the order they are fitted, on each its set-ups.
#[must_use]
pub fn propose(members: &[Member<'_>], voice: Voice) -> Route {
    let mut pieces: Vec<Vec<&Member<'_>>> = Vec::new();
    let (apart, together): (Vec<&Member<'_>>, Vec<&Member<'_>>) = members.iter().partition(|m| m.apart);
    if !together.is_empty() {
        pieces.push(together);
    }
    pieces.extend(apart.into_iter().map(|m| vec![m]));
    // What the other is fitted to comes first.
    pieces.sort_by_key(|piece| !piece.iter().any(|m| m.plan.pair.as_ref().is_some_and(|p| p.first == Some(true))));
    let setups = pieces.iter().flat_map(|piece| of_piece(piece, voice)).collect();
    Route { setups }
}

/// How a member is held: as chosen, or as recommended.
pub(super) fn held(member: &Member<'_>) -> Holding {
    member.plan.blank.held().map_or(Holding::ThreeJaw, |h| h.holding)
}

struct Making<'a> {
    piece: &'a str,
    setups: Vec<SetUp>,
}

impl<'a> Making<'a> {
    /// Goes on in a new chucking.
    fn chuck(&mut self, held: impl Into<String>) {
        let id = format!("{}.{}", self.piece, self.setups.len() + 1);
        self.setups.push(SetUp { id, piece: Some(self.piece.to_owned()), held: held.into(), ..SetUp::default() });
    }

    fn op(&mut self, member: &Member<'_>, kind: OpKind) {
        // Named by what it is, not by its place: what was ticked stays ticked when the facts bring another operation in before it.
        let code = format!("{kind:?}").to_lowercase();
        let id = format!("{}.{code}", member.job);
        if let Some(setup) = self.setups.last_mut() {
            setup.ops.push(Operation { id, kind, job: Some(member.job.to_owned()), ..Operation::default() });
        }
    }

    /// An operation the app has no numbers for, in words.
    fn own(&mut self, member: &Member<'_>, code: &str, says: String) {
        let id = format!("{}.{code}", member.job);
        if let Some(setup) = self.setups.last_mut() {
            setup.ops.push(Operation { id, kind: OpKind::Own, job: Some(member.job.to_owned()), says: Some(says), ..Operation::default() });
        }
    }

    fn ops(&mut self, member: &Member<'_>, kinds: &[OpKind]) {
        for kind in kinds {
            self.op(member, *kind);
        }
    }
}

fn of_piece(members: &[&Member<'_>], voice: Voice) -> Vec<SetUp> {
    let Some(first) = members.first() else { return Vec::new() };
    let mut making = Making { piece: first.job, setups: Vec::new() };
    if held(first) == Holding::Arbor {
        on_an_arbor(&mut making, first, voice);
        members[1..].iter().for_each(|m| body(&mut making, m));
        return making.setups;
    }
    let between = matches!(held(first), Holding::Centres);
    making.chuck(if between { say!(voice, "route-in-chuck-centers") } else { as_held(first, voice) });
    making.ops(first, &[OpKind::Saw, OpKind::Face]);
    if between || first.facts.blank.support != Support::None {
        making.op(first, OpKind::Centre);
    }
    if between {
        making.chuck(Holding::Centres.says(voice));
    }
    body(&mut making, first);
    // What must run true to the first is cut in the same chucking; the rest is the part's other end.
    let (same, other): (Vec<&Member<'_>>, Vec<&Member<'_>>) = members[1..].iter().copied().partition(|m| m.facts.blank.runs_true);
    same.iter().for_each(|m| body(&mut making, m));
    if !between {
        making.op(first, OpKind::PartOff);
    }
    for (i, member) in other.iter().enumerate() {
        let held = if between || member.facts.blank.holding.is_some() { as_held(member, voice) } else { by_thread(first, voice) };
        making.chuck(say!(voice, "route-end-for-end", held = &held));
        if !between && i == 0 {
            making.op(member, OpKind::Length);
        }
        body(&mut making, member);
    }
    if !between && other.is_empty() {
        making.chuck(by_thread(first, voice));
        making.ops(first, &[OpKind::Length, OpKind::SecondChamfer]);
    }
    making.setups
}

/// A part held on an arbor was bored true first, in a chuck, and is finished there: nothing is sawn off or parted on the arbor.
fn on_an_arbor(making: &mut Making<'_>, member: &Member<'_>, voice: Voice) {
    making.chuck(Holding::ThreeJaw.says(voice));
    making.ops(member, &[OpKind::Saw, OpKind::Face]);
    making.own(member, "arbor-bore", say!(voice, "op-bore-to-arbor"));
    making.op(member, OpKind::PartOff);
    making.chuck(Holding::Arbor.says(voice));
    making.op(member, OpKind::Length);
    body(making, member);
}

/// What makes one thread, from its blank to its proof.
fn body(making: &mut Making<'_>, member: &Member<'_>) {
    let (plan, facts) = (member.plan, member.facts);
    if plan.thread.side == Side::Internal {
        let bore = plan.blank.bore.as_ref();
        if bore.is_some_and(|b| b.drill_mm.is_some()) {
            making.op(member, OpKind::Drill);
        }
        // A tap's own drill cuts its hole to size.
        if !bore.is_some_and(|b| plan.chaser.is_some() && b.drill_mm.is_some() && b.left_mm.is_none()) {
            making.op(member, OpKind::Bore);
        }
    } else {
        making.op(member, OpKind::Turn);
    }
    if !facts.blank.plain.is_empty() || plan.blank.register.is_some() {
        making.op(member, OpKind::Plain);
    }
    if plan.chaser.is_some() && facts.blank.relief_width_mm.is_some()
        || plan.blank.relief.as_ref().is_some_and(|r| !matches!(r.end, EndKind::Open | EndKind::Withdraw))
    {
        making.op(member, OpKind::Relief);
    }
    making.op(member, OpKind::Chamfer);
    match plan.chaser.as_ref().map(|c| c.by) {
        Some(Maker::Tap) => making.ops(member, &[OpKind::Tap, OpKind::Prove]),
        Some(_) => making.ops(member, &[OpKind::Die, OpKind::Prove]),
        None => {
            making.op(member, OpKind::Thread);
            if member.finished_by_die() {
                making.op(member, if plan.thread.side == Side::External { OpKind::Chase } else { OpKind::ChaseTap });
            }
            making.ops(member, &[OpKind::Dress, OpKind::Prove]);
        }
    }
}

fn as_held(member: &Member<'_>, voice: Voice) -> String {
    let held = held(member).says(voice);
    match member.facts.blank.support {
        Support::None => held,
        Support::Centre => say!(voice, "route-held-center-up", held = held),
        Support::Steady => say!(voice, "route-held-steady", held = held),
    }
}

/// How a part is held by what is finished of it.
fn by_thread(member: &Member<'_>, voice: Voice) -> String {
    if member.plan.thread.side == Side::External { say!(voice, "held-by-thread") } else { say!(voice, "route-held-by-outside") }
}
