//! Gauge: is it there, and if not, how much more?

mod chased;
pub(crate) mod chosen;
mod drawing;
mod estimate;
pub(crate) mod functional;
mod past;
pub(crate) mod proof;
mod reading;
pub mod rules;
pub(crate) mod section;
mod verdict;

pub(crate) use chased::{judge_chased, judge_chased_fit};
pub use estimate::{Estimate, Lag, Observation, TipFound, normal_area, normal_density, spring_told, tip_told};
pub(crate) use estimate::{SPRING, SPRING_SD};
pub use functional::Functional;
pub use past::FlankFound;
pub(crate) use past::flank_of;
pub use proof::{GaugeToTurn, ProofView, ProofWay};
pub(crate) use reading::length_within;
pub use reading::{FieldFault, GaugeResult, Measured, ReadAt, ReadShape};
pub use section::{Formulas, GaugeSection, Wires};
pub(crate) use verdict::{Believed, judge_read};
pub use verdict::{Next, PitchDiameter, Verdict, VerdictKind, judge_fit_knowing, judge_knowing};
