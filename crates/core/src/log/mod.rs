//! Log: what was done at the lathe, as acts over a frozen plan.

mod act;
mod run;

pub use act::{Act, ActKind};
pub use run::{NextStep, RunPass, RunPlan, RunState, RunWires, fold};
