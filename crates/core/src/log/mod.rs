//! Log: what was done at the lathe, as acts over a frozen plan.

mod act;
mod plan;
mod run;

pub use act::{Act, ActKind, BitChange};
pub use plan::{CyclePhase, RunPass, RunPlan, RunWires};
pub use run::{NextStep, RunState, Tick, fold};
