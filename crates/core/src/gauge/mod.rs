//! Gauge: is it there, and if not, how much more?

mod drawing;
mod estimate;
pub(crate) mod proof;
pub mod rules;
mod seat;
pub(crate) mod section;
mod verdict;

pub use estimate::{RunTip, Sized, TipFound, tip_found};
pub use proof::{GaugeToTurn, ProofSaid, ProofWay};
pub use seat::{Groove, Seat, half_angle_of};
pub use section::{Formulas, GaugeSection, Wires};
pub use verdict::{Measured, Next, PitchDiameter, Verdict, VerdictKind, judge, judge_knowing};
