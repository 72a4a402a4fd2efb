//! Gauge: is it there, and if not, how much more?

mod drawing;
mod estimate;
mod fit;
pub(crate) mod functional;
mod past;
pub(crate) mod proof;
mod reading;
pub mod rules;
mod seat;
pub(crate) mod section;
mod sheet;
mod verdict;

pub use estimate::{Estimate, Lag, RunMate, RunTip, Seen, TipFound, normal_area, normal_density};
pub(crate) use estimate::{SPRING, SPRING_SD};
pub use fit::{Fit, FitBand, FitKind};
pub use functional::Functional;
pub(crate) use past::flank_of;
pub use past::{FlankFound, RunClass};
pub use proof::{GaugeToTurn, ProofSaid, ProofWay};
pub use reading::{Measured, ReadAt, ReadShape, Went};
pub use seat::{Groove, Seat, bears, half_angle_of};
pub use section::{Formulas, GaugeSection, Wires};
pub use sheet::{BallSaid, GaugeSheet, WireSaid, gauge_sheet};
pub(crate) use verdict::judge_read;
pub use verdict::{Next, PitchDiameter, READING_DOUBT_MM, Verdict, VerdictKind, judge_fit_knowing, judge_knowing};
