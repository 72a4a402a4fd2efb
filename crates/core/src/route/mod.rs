//! Route: a part's operations from the saw to the last chamfer, grouped by set-up. Made from its jobs, and then the user's to change.

mod along;
mod card;
mod line;
mod makers;
mod order;
mod other;
mod propose;
mod rough;
mod said;
mod speed;
mod stock;
mod told;
mod took;

pub use along::{Along, Span, StretchKind, along};
pub(crate) use along::{SAME_MM, piece};
pub use card::{bench, card_of, chucking_of, minutes_of, reckoned_of, standing_of};
pub(crate) use card::{by_chaser, over_wires, thread_card, turn_to, turned};
pub use line::CardLine;
pub(crate) use line::{number, words};
pub use makers::{MakerView, MakersSheet, makers};
pub(crate) use order::name as op_name;
pub use order::{OrderRemark, remarks};
pub use other::temper_colour;
pub use propose::propose;
pub(crate) use said::piece_says;
pub use said::time as time_says;
pub use said::{ChuckingView, Must, OperationView, RouteDetail, Ticked, said};
pub use speed::Minutes;
pub use told::{ADDED, AskedAs, MayAdd, OpAsk, OpFacts, may_add};
pub use took::{OpTook, Pace, by_the_clock, pace, took_fault};

use crate::faults::Fault;
use crate::job::{Job, Lathe};
use crate::plan::Plan;
use crate::say;
use crate::voice::Voice;
use serde::{Deserialize, Serialize};
use std::collections::BTreeSet;

/// What an operation is.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum OpKind {
    /// Cut the stock off.
    Saw,
    /// Face the end.
    Face,
    /// Centre the end.
    Centre,
    /// Drill under the bore.
    Drill,
    /// Turn the blank.
    Turn,
    /// Bore.
    Bore,
    /// Turn or bore a plain part of it, a register among them.
    Plain,
    /// Turn the relief, plunge the ring, or drill the pocket.
    Relief,
    /// Chamfer the entrance.
    Chamfer,
    /// Cut the thread.
    Thread,
    /// Finish the thread with a die.
    Chase,
    /// Finish the thread with a tap.
    ChaseTap,
    /// Make the thread with a die.
    Die,
    /// Make the thread with a tap.
    Tap,
    /// Dress crests and ends.
    Dress,
    /// Prove the size.
    Prove,
    /// Part it off, or take it out.
    PartOff,
    /// Face the second end to length.
    Length,
    /// Chamfer the second end.
    SecondChamfer,
    /// Turn a plain groove.
    Groove,
    /// Ream a hole.
    Ream,
    /// Knurl.
    Knurl,
    /// Drill across, for a pin or a screw.
    CrossDrill,
    /// File or mill two flats.
    Flats,
    /// File or mill six.
    Hexagon,
    /// Saw or mill a slot.
    Slot,
    /// Split it, that it clamps.
    Split,
    /// Press it on a mandrel.
    Mandrel,
    /// Fit it to its mate.
    Fit,
    /// Weld or braze.
    Weld,
    /// Harden.
    Harden,
    /// Let it down.
    Temper,
    /// Polish.
    Polish,
    /// The user's own.
    #[default]
    Own,
}

impl OpKind {
    /// Whether the thread is made in it.
    #[must_use]
    pub const fn makes_thread(self) -> bool {
        matches!(self, Self::Thread | Self::Die | Self::Tap)
    }
}

/// One operation, as kept.
#[derive(Debug, Clone, Default, PartialEq, Serialize, Deserialize)]
#[serde(default, deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Operation {
    /// Stable name, of this route.
    pub id: String,
    /// What it is.
    pub kind: OpKind,
    /// The job whose numbers it is done by.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub job: Option<String>,
    /// What the user calls it, instead of the app's words.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub says: Option<String>,
    /// Minutes it takes, when the user knows better.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub minutes: Option<f64>,
    /// What is told of it, where it is beside what its thread's plan knows.
    #[serde(skip_serializing_if = "OpFacts::is_empty")]
    pub told: OpFacts,
    /// What was noted with it: where the stop stands, what the dial reads.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub note: Option<String>,
    /// A photograph that shows it, of those kept with its job.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub photo: Option<String>,
}

/// One chucking, and what is done in it.
#[derive(Debug, Clone, Default, PartialEq, Serialize, Deserialize)]
#[serde(default, deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct SetUp {
    /// Stable name, of this route.
    pub id: String,
    /// The piece in it, by the first job on that piece.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub piece: Option<String>,
    /// How it is held.
    pub held: String,
    /// What is done, in order.
    pub ops: Vec<Operation>,
    /// What else must be true before the part leaves it, in the user's words.
    #[serde(skip_serializing_if = "Vec::is_empty")]
    pub leave: Vec<String>,
}

/// The route of a part.
#[derive(Debug, Clone, Default, PartialEq, Serialize, Deserialize)]
#[serde(default, deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Route {
    /// Its set-ups, in order.
    pub setups: Vec<SetUp>,
}

/// A job of the part, with what its operations are reckoned from.
#[derive(Debug, Clone, Copy)]
pub struct Member<'a> {
    /// Its job.
    pub job: &'a str,
    /// Title.
    pub title: &'a str,
    /// Its plan.
    pub plan: &'a Plan,
    /// Its facts.
    pub facts: &'a Job,
    /// Its lathe.
    pub lathe: &'a Lathe,
    /// Whether it is another piece than the first: one that joined the part as a mate.
    pub apart: bool,
    /// The job of its mate.
    pub mate: Option<&'a str>,
    /// Whether its thread is proven in limits.
    pub proven: bool,
}

/// More than these are no route.
const MOST_SETUPS: usize = 20;
const MOST_OPS: usize = 60;
/// Longest id: a job's own, and the operation.
const LONGEST_ID: usize = 440;
/// Longest name or remark.
const WORDS: usize = 200;

impl Route {
    /// Every operation, in order, with the place of its set-up.
    pub fn ops(&self) -> impl Iterator<Item = (usize, &Operation)> {
        self.setups.iter().enumerate().flat_map(|(i, s)| s.ops.iter().map(move |op| (i, op)))
    }

    /// Every fault of a route as sent: ids, lengths, times, and jobs that are none of the part's.
    #[must_use]
    pub fn check(&self, jobs: &[&str], voice: Voice) -> Vec<Fault> {
        let mut faults = Vec::new();
        if self.setups.len() > MOST_SETUPS {
            faults.push(Fault::new("/setups", say!(voice, "route-too-many-setups", n = self.setups.len(), most = MOST_SETUPS)));
        }
        let mut ids = BTreeSet::new();
        let mut named = |id: &str, at: String, faults: &mut Vec<Fault>| {
            if id.is_empty() || id.len() > LONGEST_ID || id.contains('/') {
                faults.push(Fault::new(at, say!(voice, "route-id-letters", most = LONGEST_ID)));
            } else if !ids.insert(id.to_owned()) {
                faults.push(Fault::new(at, say!(voice, "route-id-twice", id = id)));
            }
        };
        let long = |text: &str, at: String, faults: &mut Vec<Fault>| {
            if text.chars().count() > WORDS {
                faults.push(Fault::new(at, say!(voice, "route-most-letters", most = WORDS)));
            }
        };
        for (i, setup) in self.setups.iter().enumerate() {
            let at = format!("/setups/{i}");
            named(&setup.id, format!("{at}/id"), &mut faults);
            long(&setup.held, format!("{at}/held"), &mut faults);
            if setup.ops.len() > MOST_OPS || setup.leave.len() > MOST_OPS {
                faults.push(Fault::new(format!("{at}/ops"), say!(voice, "route-most-ops", most = MOST_OPS)));
            }
            for (n, must) in setup.leave.iter().enumerate() {
                if must.trim().is_empty() {
                    faults.push(Fault::new(format!("{at}/leave/{n}"), say!(voice, "route-say-must")));
                }
                long(must, format!("{at}/leave/{n}"), &mut faults);
            }
            if setup.piece.as_deref().is_some_and(|p| !jobs.contains(&p)) {
                faults.push(Fault::new(format!("{at}/piece"), say!(voice, "route-piece-named")));
            }
            for (n, op) in setup.ops.iter().enumerate() {
                let at = format!("{at}/ops/{n}");
                named(&op.id, format!("{at}/id"), &mut faults);
                if op.job.as_deref().is_some_and(|j| !jobs.contains(&j)) {
                    faults.push(Fault::new(format!("{at}/job"), say!(voice, "route-no-job")));
                }
                if op.kind == OpKind::Own && op.says.as_deref().is_none_or(|s| s.trim().is_empty()) {
                    faults.push(Fault::new(format!("{at}/says"), say!(voice, "route-say-own")));
                }
                long(op.says.as_deref().unwrap_or_default(), format!("{at}/says"), &mut faults);
                long(op.note.as_deref().unwrap_or_default(), format!("{at}/note"), &mut faults);
                if op.photo.is_some() && op.job.is_none() && setup.piece.is_none() {
                    faults.push(Fault::new(format!("{at}/photo"), say!(voice, "route-photo-of")));
                }
                long(op.photo.as_deref().unwrap_or_default(), format!("{at}/photo"), &mut faults);
                faults.extend(op.told.check(op.kind, &format!("{at}/told"), voice));
                if op.minutes.is_some_and(|m| !(m.is_finite() && (0.0..=2000.0).contains(&m))) {
                    faults.push(Fault::new(format!("{at}/minutes"), say!(voice, "route-minutes")));
                }
            }
        }
        faults
    }
}
