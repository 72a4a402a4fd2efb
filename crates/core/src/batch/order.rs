//! The order across parts: each part complete, each chucking on all parts, or each operation on all parts; what each costs in chuckings
//! and settings, and what it gives up.
//!
//! Counted, with n parts, set-ups s and their operations o. Each part complete: every set-up is chucked n times and every operation set n
//! times, unless the tools stay set in the post, when it is set once; and where there is more than one set-up its stop, its jaws or its
//! centers are set n times too. Each chucking on all: chucked n times a set-up, set as before, but an operation alone in its set-up is set
//! once, and a set-up's own stop and jaws once. Each operation on all: chucked n times an *operation*, set once. Where two hands are cut,
//! the parts of one hand come together, and what a hand asks to be set again is set twice and not n times.

use crate::quantity::plain_text;
use crate::say;
use crate::voice::Voice;
use serde::{Deserialize, Serialize};

/// An order across the parts.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Across {
    /// Each part from first to last.
    EachPart,
    /// Each chucking on all parts, before the next.
    EachChucking,
    /// Each operation on all parts, before the next.
    EachOperation,
    /// One's own: see [`OwnOrder`].
    Own,
}

/// An order of one's own across the parts, by the set-ups of the route.
#[derive(Debug, Clone, Default, PartialEq, Eq, Serialize, Deserialize)]
#[serde(default, deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct OwnOrder {
    /// Set-ups after which every part waits for the last, before any goes on.
    pub wait_after: Vec<String>,
    /// Set-ups in which each operation is done on every part before the next.
    pub by_operation: Vec<String>,
}

/// How one set-up is gone through.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
struct Taken {
    /// Whether every part goes through it before any goes on, and none came to it earlier.
    alone: bool,
    /// Whether each operation is done on every part before the next.
    by_operation: bool,
}

/// How each set-up is gone through in an order.
fn taken(across: Across, setups: &[BatchSetUp], own: &OwnOrder) -> Vec<Taken> {
    let by_operation = |s: &BatchSetUp| across == Across::EachOperation || across == Across::Own && own.by_operation.contains(&s.id);
    // All parts are together before the first and after the last.
    let waits = |i: usize| match across {
        Across::EachPart => false,
        Across::EachChucking | Across::EachOperation => true,
        Across::Own => own.wait_after.contains(&setups[i].id) || by_operation(&setups[i]) || setups.get(i + 1).is_some_and(by_operation),
    };
    let last = setups.len().saturating_sub(1);
    (0..setups.len()).map(|i| Taken { alone: (i == 0 || waits(i - 1)) && (i == last || waits(i)), by_operation: by_operation(&setups[i]) }).collect()
}

impl Across {
    /// All of them.
    pub const ALL: [Self; 3] = [Self::EachPart, Self::EachChucking, Self::EachOperation];

    fn says(self, voice: Voice) -> String {
        match self {
            Self::EachPart => say!(voice, "batch-each-part"),
            Self::EachChucking => say!(voice, "batch-each-chucking"),
            Self::EachOperation => say!(voice, "batch-each-operation"),
            Self::Own => say!(voice, "batch-own"),
        }
    }

    fn saves(self, voice: Voice) -> String {
        match self {
            Self::EachPart => say!(voice, "batch-each-part-saves"),
            Self::EachChucking => say!(voice, "batch-each-chucking-saves"),
            Self::EachOperation => say!(voice, "batch-each-operation-saves"),
            Self::Own => say!(voice, "batch-own-saves"),
        }
    }
}

/// An operation, as it costs.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct BatchOp {
    /// Minutes to set it.
    pub set: f64,
    /// Minutes to do it on one part.
    pub each: f64,
    /// Whether another hand asks it to be set again.
    pub handed: bool,
}

/// A set-up, as it costs.
#[derive(Debug, Clone, PartialEq)]
pub struct BatchSetUp {
    /// Its name in the route.
    pub id: String,
    /// Minutes to set the lathe for it: the stop, the jaws, centres in the chuck's place.
    pub stands: f64,
    /// Minutes to chuck one part.
    pub chuck: f64,
    /// How far off centre a part may be when it goes back into this holding, mm.
    pub again_mm: f64,
    /// Its operations.
    pub ops: Vec<BatchOp>,
}

/// What an order costs.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct OrderView {
    /// Which.
    pub across: Across,
    /// As it is said.
    pub says: String,
    /// What it saves.
    pub saves: String,
    /// What it gives up here; empty when nothing.
    pub costs: String,
    /// Times a part goes into a chuck.
    pub chuckings: usize,
    /// Times a tool, a stop or the gears are set.
    pub settings: usize,
    /// Minutes in all.
    pub minutes: f64,
    /// Whether it keeps true what must run true.
    pub true_enough: bool,
    /// Whether it is the one recommended.
    pub recommended: bool,
}

/// A part put back further off centre than this no longer gives a thread concentric with its blank, mm. House value: half of what a
/// close thread's limits leave.
const TRUE_MM: f64 = 0.03;

/// Minutes an order costs, with its chuckings and settings. `hands` are how many parts of each hand there are.
#[allow(clippy::cast_precision_loss)] // parts of a batch
fn cost(taken: &[Taken], setups: &[BatchSetUp], hands: [usize; 2], tools_stay: bool) -> (usize, usize, f64) {
    let n = hands[0] + hands[1];
    let both = if hands.contains(&0) { 1 } else { 2 };
    let (mut chuckings, mut settings, mut minutes) = (0, 0, 0.0);
    for (setup, how) in setups.iter().zip(taken) {
        let chucked = if how.by_operation { n * setup.ops.len() } else { n };
        chuckings += chucked;
        minutes += setup.chuck * chucked as f64;
        // Where another set-up came between, it is set again.
        let stood = if how.alone { 1 } else { n };
        if setup.stands > 0.0 {
            settings += stood;
            minutes += setup.stands * stood as f64;
        }
        for op in &setup.ops {
            // Parts of one hand stand together, so another hand is set for once.
            let once = if op.handed { both } else { 1 };
            let alone = how.by_operation || how.alone && setup.ops.len() == 1;
            let set = if op.set == 0.0 {
                0
            } else if alone || tools_stay {
                once
            } else {
                n
            };
            settings += set;
            minutes += op.set * set as f64 + op.each * n as f64;
        }
    }
    (chuckings, settings, minutes)
}

/// Every order side by side; the quickest that keeps true what must be is recommended.
#[must_use]
pub fn orders(setups: &[BatchSetUp], hands: [usize; 2], tools_stay: bool, own: Option<&OwnOrder>, voice: Voice) -> Vec<OrderView> {
    let none = OwnOrder::default();
    let mut said: Vec<OrderView> = Across::ALL
        .into_iter()
        .chain(own.map(|_| Across::Own))
        .map(|across| {
            let taken = taken(across, setups, own.unwrap_or(&none));
            let (chuckings, settings, minutes) = cost(&taken, setups, hands, tools_stay);
            // Out of the chuck between two operations of one set-up, it comes back so far off.
            let again = setups.iter().zip(&taken).filter(|(s, how)| how.by_operation && s.ops.len() > 1);
            let worst = again.map(|(s, _)| s.again_mm).fold(0.0, f64::max);
            let true_enough = worst <= TRUE_MM;
            let costs = if true_enough { String::new() } else { say!(voice, "batch-not-true", worst = voice.length(worst)) };
            OrderView {
                across,
                says: across.says(voice),
                saves: across.saves(voice),
                costs,
                chuckings,
                settings,
                minutes: (minutes * 10.0).round() / 10.0,
                true_enough,
                recommended: false,
            }
        })
        .collect();
    let best = (0..said.len()).filter(|i| said[*i].true_enough).min_by(|a, b| said[*a].minutes.total_cmp(&said[*b].minutes));
    if let Some(best) = best {
        let (least, most) = (said[best].minutes, said.iter().map(|s| s.minutes).fold(0.0, f64::max));
        said[best].recommended = true;
        if most > least && said[best].costs.is_empty() {
            said[best].costs = say!(voice, "batch-less", min = plain_text(most - least, 0));
        }
    }
    said
}
