//! A route as it is shown: every operation with its card, its time and its tick, and what must be true before the part leaves a chuck.

use super::card::{card_of, chucking_of, ends_between, minutes_of};
use super::line::CardLine;
use super::order::{OrderRemark, name, remarks};
use super::took::{OpTook, pace};
use super::{Member, OpKind, Operation, Route, SetUp};
use crate::quantity::plain_text;
use crate::say;
use crate::thread::Side;
use crate::voice::Voice;
use serde::Serialize;
use std::collections::BTreeMap;

/// Something that must be true before the part leaves its chuck.
#[derive(Debug, Clone, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Must {
    /// What.
    pub says: String,
    /// Whether it is, where the app can tell.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub holds: Option<bool>,
}

/// An operation, shown.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct OperationView {
    /// As it is kept.
    #[serde(flatten)]
    pub op: Operation,
    /// What it is called.
    pub name: String,
    /// What is set for it.
    pub card: Vec<CardLine>,
    /// How long it takes, min.
    pub takes_min: f64,
    /// Why that is not what speed and feed give: what such work took on this lathe before.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub paced: Option<String>,
    /// What it took, min, where that was told.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub took_min: Option<f64>,
    /// When it was ticked; absent while it is to do.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub done: Option<String>,
}

/// A set-up, shown.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ChuckingView {
    /// Stable name.
    pub id: String,
    /// The piece in it, by its job.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub piece: Option<String>,
    /// What that piece is called.
    pub piece_says: String,
    /// How it is held.
    pub held: String,
    /// Its operations.
    pub ops: Vec<OperationView>,
    /// What must be true before the part leaves it.
    pub leave: Vec<Must>,
    /// How many of those, from the first, are the app's; the rest are the user's own.
    pub leave_made: usize,
}

/// A route, shown.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct RouteDetail {
    /// Its set-ups.
    pub setups: Vec<ChuckingView>,
    /// What its order costs.
    pub remarks: Vec<OrderRemark>,
    /// How long it takes in all, in words.
    pub takes: String,
    /// How long is left.
    pub left: String,
    /// The same in minutes, for each job by the name it has in the route.
    #[serde(skip)]
    pub left_min: BTreeMap<String, f64>,
}

/// What is known of an operation that is done.
#[derive(Debug, Clone, Default, PartialEq)]
pub struct Ticked {
    /// When it was ticked.
    pub when: String,
    /// What it took, min, where that was told.
    pub took_min: Option<f64>,
}

/// Minutes in words.
#[must_use]
pub fn time(minutes: f64, voice: Voice) -> String {
    let whole = minutes.round();
    if whole < 60.0 {
        say!(voice, "time-minutes", min = plain_text(whole, 0))
    } else {
        say!(voice, "time-hours", h = plain_text((whole / 60.0).floor(), 0), min = plain_text(whole % 60.0, 0))
    }
}

/// Shows a route; `ticks` are the operations done, `took` what such work took before.
#[must_use]
pub fn said(route: &Route, members: &[Member<'_>], ticks: &BTreeMap<String, Ticked>, took: &[OpTook], voice: Voice) -> RouteDetail {
    let of = |job: Option<&str>| members.iter().find(|m| Some(m.job) == job);
    let (mut whole, mut left, mut left_min) = (0.0, 0.0, BTreeMap::<String, f64>::new());
    let setups = route
        .setups
        .iter()
        .map(|setup| {
            let ops: Vec<OperationView> = setup
                .ops
                .iter()
                .map(|op| {
                    let member = of(op.job.as_deref());
                    // One added stands on the piece it is done to.
                    let of_piece = member.or_else(|| of(setup.piece.as_deref()));
                    let minutes = minutes_of(op, of_piece, members, took);
                    let takes_min = minutes.set + minutes.each;
                    // What is left for a die is not proven by what the single point left.
                    let proven = member.is_some_and(|m| m.proven && (op.kind.makes_thread() || op.kind == OpKind::Prove && !m.finished_by_die()));
                    let done = ticks.get(&op.id).map(|t| t.when.clone()).or_else(|| proven.then(|| say!(voice, "route-proven")));
                    OperationView {
                        op: op.clone(),
                        name: name(op, voice),
                        card: of_piece.map(|m| card_of(op, m, members, voice)).unwrap_or_default(),
                        takes_min,
                        paced: of_piece.filter(|_| op.minutes.is_none()).and_then(|m| paced(m, op, took, voice)),
                        took_min: ticks.get(&op.id).and_then(|t| t.took_min),
                        done,
                    }
                })
                .collect();
            let in_chuck = of(setup.piece.as_deref()).map_or(0.0, chucking_of);
            let to_do: f64 = ops.iter().filter(|o| o.done.is_none()).map(|o| o.takes_min).sum();
            whole += in_chuck + ops.iter().map(|o| o.takes_min).sum::<f64>();
            let chuck_left = if ops.iter().any(|o| o.done.is_some()) { 0.0 } else { in_chuck };
            left += to_do + chuck_left;
            // Of several jobs each has its own operations; the chucking goes with the first of them.
            let mut chuck_left = Some(chuck_left);
            for op in ops.iter().filter(|o| o.done.is_none()) {
                let job = op.op.job.clone().or_else(|| setup.piece.clone()).unwrap_or_default();
                *left_min.entry(job).or_default() += op.takes_min + chuck_left.take().unwrap_or_default();
            }
            let mut leave = musts(setup, &ops, members, voice);
            let leave_made = leave.len();
            leave.extend(setup.leave.iter().map(|says| Must { says: says.clone(), holds: None }));
            ChuckingView {
                id: setup.id.clone(),
                piece: setup.piece.clone(),
                piece_says: of(setup.piece.as_deref()).map_or_else(String::new, |m| piece_says(m, members, voice)),
                held: setup.held.clone(),
                ops,
                leave,
                leave_made,
            }
        })
        .collect();
    RouteDetail { setups, remarks: remarks(route, members, voice), takes: time(whole, voice), left: time(left, voice), left_min }
}

/// What such work took on this lathe, in words.
fn paced(member: &Member<'_>, op: &Operation, took: &[OpTook], voice: Voice) -> Option<String> {
    let pace = pace(took, &member.lathe.name, op.kind)?;
    Some(say!(voice, "route-paced", times = plain_text(pace.times, 1), n = pace.from, lathe = &member.lathe.name))
}

pub(crate) fn piece_says(member: &Member<'_>, members: &[Member<'_>], voice: Voice) -> String {
    match (members.iter().any(|m| m.apart), member.plan.thread.side) {
        (true, Side::External) => say!(voice, "route-the-screw"),
        (true, Side::Internal) => say!(voice, "route-the-nut"),
        (false, _) => say!(voice, "route-the-part"),
    }
}

/// What the app holds must be true before the part leaves this chuck.
fn musts(setup: &SetUp, ops: &[OperationView], members: &[Member<'_>], voice: Voice) -> Vec<Must> {
    let mut out = Vec::new();
    let left = ops.iter().filter(|o| o.done.is_none()).count();
    out.push(Must { says: say!(voice, "must-everything"), holds: Some(left == 0) });
    let threads = setup.ops.iter().filter(|o| o.kind.makes_thread()).filter_map(|o| members.iter().find(|m| Some(m.job) == o.job.as_deref()));
    for member in threads {
        let [low, high] = ends_between(member).map(|q| &q.text);
        let holds = (!member.finished_by_die()).then_some(member.proven);
        out.push(Must { says: say!(voice, "must-proven", thread = &member.plan.thread.name, low = low, high = high), holds });
        match member.plan.pair.as_ref().and_then(|p| p.first) {
            Some(true) => out.push(Must { says: say!(voice, "must-told"), holds: Some(member.proven) }),
            Some(false) => out.push(Must { says: say!(voice, "must-mate"), holds: None }),
            None => {}
        }
    }
    if setup.ops.iter().any(|o| o.kind.makes_thread()) {
        out.push(Must { says: say!(voice, "must-brushed"), holds: None });
    }
    out
}
