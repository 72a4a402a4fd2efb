//! Gauge: is it there, and if not, how much more?

mod drawing;
mod estimate;
mod fit;
pub(crate) mod proof;
pub mod rules;
mod seat;
pub(crate) mod section;
mod verdict;

pub use estimate::{Estimate, RunMate, RunTip, Seen, TipFound};
pub use fit::{Fit, FitBand, FitKind};
pub use proof::{GaugeToTurn, ProofSaid, ProofWay};
pub use seat::{Groove, Seat, half_angle_of};
pub use section::{Formulas, GaugeSection, Wires};
pub use verdict::{Measured, Next, PitchDiameter, READING_DOUBT_MM, Verdict, VerdictKind, judge, judge_fit, judge_fit_knowing, judge_knowing};
