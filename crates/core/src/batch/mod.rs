//! Batch: several parts of one job. What each order of working saves, what was tallied, whether it drifts, and what the next part
//! begins from.

mod order;
mod plain;
mod tally;
mod test_piece;

pub use order::{Across, BatchOp, BatchSetUp, OrderView, OwnOrder, orders};
pub use plain::{check_sized, plain_limits};
pub use tally::{BatchThread, Cell, Column, Drift, PartResult, Row, SizeState, Tally, ThreadResult, tally, tally_csv};
pub use test_piece::{Correction, TestPieceFacts, corrections};

use crate::faults::Fault;
use crate::gauge::TipFound;
use crate::job::PlainRequest;
use crate::quantity::plain_text;
use crate::say;
use crate::voice::Voice;
use serde::{Deserialize, Serialize};

/// Most parts of a batch.
pub const MOST_PARTS: usize = 60;

/// What is kept of a batch, beside its jobs.
#[derive(Debug, Clone, Default, PartialEq, Serialize, Deserialize)]
#[serde(default, deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct BatchFacts {
    /// The order chosen; the one recommended when absent.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub across: Option<Across>,
    /// An order of one's own, priced beside the others.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub own: Option<OwnOrder>,
    /// Whether each part begins from what the ones before it found.
    pub learn: bool,
    /// Whether the tool post keeps its tools set: a turret, or a quick-change post.
    pub tools_stay: bool,
    /// Plain sizes tallied beside the thread.
    #[serde(skip_serializing_if = "Vec::is_empty")]
    pub plain: Vec<PlainRequest>,
}

/// Every fault of a number of parts and their hands as asked for.
#[must_use]
pub fn check_parts(parts: i64, hands: usize, voice: Voice) -> Vec<Fault> {
    let mut faults = Vec::new();
    if !usize::try_from(parts).is_ok_and(|n| (2..=MOST_PARTS).contains(&n)) {
        faults.push(Fault::new("/parts", say!(voice, "batch-parts", most = MOST_PARTS)));
    } else if hands > 0 && usize::try_from(parts) != Ok(hands) {
        faults.push(Fault::new("/hands", say!(voice, "batch-hands", parts = parts)));
    }
    faults
}

/// What the next part begins from: the tip and the spring as the last part found them.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct CarriedOver {
    /// The part that found it, by its place.
    pub from: usize,
    /// Narrowest and widest the flat of the tip may be, mm.
    pub flat_mm: [f64; 2],
    /// Share of a cut that springs away.
    pub spring: f64,
    /// Give or take: two standard deviations.
    pub spring_doubt: f64,
    /// In words.
    pub says: String,
}

/// How much wider a tip may have worn over one more part than it was found after the last, mm. House value: a fresh edge in steel loses
/// a few hundredths over a thread.
const WEAR_MM: f64 = 0.02;

/// Between which widths the flat of a tip as found is taken to lie on the piece after, mm, worn by so much more.
fn laid_out_for(tip: &TipFound, wear_mm: f64) -> [f64; 2] {
    let middle = tip.flat_mm + wear_mm;
    [(middle - tip.doubt_mm).max(0.0), middle + tip.doubt_mm + WEAR_MM].map(|f| (f * 1e3).round() / 1e3)
}

/// What the last part that was read hands on to the next; nothing before one was. With the drift of the tip where that is real.
#[must_use]
pub fn carry_over(found: &[(usize, TipFound)], drift: Option<&Drift>, voice: Voice) -> Option<CarriedOver> {
    let (from, last) = found.iter().rev().find(|(_, f)| f.readings > 0)?;
    let wear = drift.filter(|d| d.real).map_or(0.0, |d| d.each_mm);
    let flat_mm = laid_out_for(last, wear);
    Some(CarriedOver {
        from: *from,
        flat_mm,
        spring: last.spring,
        spring_doubt: last.spring_doubt,
        says: say!(
            voice,
            "batch-carried",
            from = *from,
            tip = voice.length(last.flat_mm),
            doubt = voice.length(last.doubt_mm),
            spring = plain_text(100.0 * last.spring, 0),
            laid = voice.coarsely_between(flat_mm[0], flat_mm[1])
        ),
    })
}
