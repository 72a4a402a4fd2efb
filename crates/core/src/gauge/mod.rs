//! Gauge: is it there, and if not, how much more?

mod drawing;
pub mod rules;
pub(crate) mod section;
mod verdict;

pub use section::{Formulas, GaugeSection, Wires};
pub use verdict::{Measured, Next, PitchDiameter, Verdict, VerdictKind, judge};
