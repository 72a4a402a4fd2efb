//! Plain dimensions of the part, with their tolerances: they belong to it as much as its threads do.

use crate::job::{PlainFacts, PlainKind};
use crate::say;
use crate::voice::Voice;

use crate::working::Quantity;
use serde::Serialize;

/// How a measured dimension stands.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum PlainStands {
    /// Not measured.
    NotMeasured,
    /// Metal is still to come off.
    TakeMore,
    /// In limits.
    InLimits,
    /// Too much is off.
    PastLimit,
}

/// A plain dimension, judged.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct PlainLine {
    /// What it is called.
    pub name: String,
    /// What it is.
    pub kind: PlainKind,
    /// Lower limit.
    pub min_mm: Quantity,
    /// Upper limit.
    pub max_mm: Quantity,
    /// As measured.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub measured_mm: Option<Quantity>,
    /// How it stands.
    pub stands: PlainStands,
    /// What is left to the middle of its limits.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub left_mm: Option<Quantity>,
    /// In words.
    pub says: String,
}

/// Judges them.
pub(super) fn lines(facts: &[PlainFacts], voice: Voice) -> Vec<PlainLine> {
    facts
        .iter()
        .map(|one| {
            let middle = f64::midpoint(one.min_mm, one.max_mm);
            let slack = 5e-7;
            let stands = match one.measured_mm {
                None => PlainStands::NotMeasured,
                Some(m) if m > one.max_mm + slack && one.kind.grows() || m < one.min_mm - slack && !one.kind.grows() => PlainStands::PastLimit,
                Some(m) if m < one.min_mm - slack || m > one.max_mm + slack => PlainStands::TakeMore,
                Some(_) => PlainStands::InLimits,
            };
            let left = one.measured_mm.filter(|_| stands == PlainStands::TakeMore).map(|m| (m - middle).abs());
            PlainLine {
                name: one.name.clone(),
                kind: one.kind,
                min_mm: Quantity::length(voice, one.min_mm),
                max_mm: Quantity::length(voice, one.max_mm),
                measured_mm: one.measured_mm.map(|v| Quantity::length(voice, v)),
                stands,
                left_mm: left.map(|v| Quantity::length(voice, v)),
                says: match (stands, left) {
                    (PlainStands::TakeMore, Some(left)) => say!(voice, "plain-still-to-come", left = voice.length(left)),
                    (PlainStands::InLimits, _) => say!(voice, "plain-in-limits"),
                    (PlainStands::PastLimit, _) => say!(voice, "plain-past-limit"),
                    _ => say!(voice, "plain-not-measured"),
                },
            }
        })
        .collect()
}
