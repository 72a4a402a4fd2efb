//! Gauge: is it there, and if not, how much more?

mod drawing;
mod estimate;
pub mod rules;
pub(crate) mod section;
mod verdict;

pub use estimate::{RunTip, Sized, TipFound, tip_found};
pub use section::{Formulas, GaugeSection, Wires};
pub use verdict::{Measured, Next, PitchDiameter, Verdict, VerdictKind, judge, judge_knowing};
