//! What operations really took, and what that says of the next: learned for each lathe and kind of work.

use super::OpKind;
use crate::faults::Fault;
use crate::say;
use crate::voice::Voice;
use serde::{Deserialize, Serialize};

/// What an operation took, beside what had been reckoned for it then.
#[derive(Debug, Clone, Default, PartialEq, Serialize, Deserialize)]
#[serde(default)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct OpTook {
    /// What was done.
    pub kind: OpKind,
    /// The lathe it was done on, by name.
    pub lathe: String,
    /// What was reckoned for it, min.
    pub reckoned_min: f64,
    /// What it took, min.
    pub took_min: f64,
}

/// How this lathe and these hands go at a kind of work, against what is reckoned.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Pace {
    /// Times what is reckoned.
    pub times: f64,
    /// How many operations say so.
    pub from: usize,
}

/// How far, as a spread of the logarithm, a reckoned time may be out before anything was told: as often twice as long as half. House value.
const GUESS_SD: f64 = 0.7;
/// How far one told time stands from the next of its kind. House value.
const TOLD_SD: f64 = 0.4;
/// Longest an operation is told to take, min.
pub const LONGEST_MIN: f64 = 2000.0;

/// The pace of a kind of work on a lathe: the told times put together with a guess that the reckoning is right (a normal belief in the
/// logarithm of their ratio; precisions add). Nothing where none was told.
#[must_use]
#[allow(clippy::cast_precision_loss)] // a handful
pub fn pace(told: &[OpTook], lathe: &str, kind: OpKind) -> Option<Pace> {
    let sound = |t: &&OpTook| t.reckoned_min > 0.0 && t.took_min > 0.0 && t.reckoned_min.is_finite() && t.took_min.is_finite();
    let ratios: Vec<f64> = told.iter().filter(|t| t.kind == kind && t.lathe == lathe).filter(sound).map(|t| (t.took_min / t.reckoned_min).ln()).collect();
    if ratios.is_empty() {
        return None;
    }
    let [each, guess] = [TOLD_SD, GUESS_SD].map(|sd| 1.0 / (sd * sd));
    let times = (ratios.iter().sum::<f64>() * each / (ratios.len() as f64 * each + guess)).exp();
    Some(Pace { times, from: ratios.len() })
}

/// What is wrong with a time told, at its field.
#[must_use]
pub fn took_fault(min: f64, at: &str, voice: Voice) -> Option<Fault> {
    let sound = min.is_finite() && min > 0.0 && min <= LONGEST_MIN;
    (!sound).then(|| Fault::new(at, say!(voice, "route-took-minutes")))
}

/// More between two acts than this was not spent at the lathe, min. House value: a cup of tea is no pass.
const BREAK_MIN: f64 = 15.0;

/// Minutes a run took by its own clock: from act to act, what was a break left out.
#[must_use]
pub fn by_the_clock(minutes: &[f64]) -> f64 {
    minutes.windows(2).map(|w| w[1] - w[0]).filter(|m| (0.0..=BREAK_MIN).contains(m)).sum()
}
