//! What a run stands on: the plan frozen with its first pass, and what may be told at the lathe. Data, read back however old.

mod plan;
mod symptom;

pub(crate) use plan::SAME_MM;
pub use plan::{READING_DOUBT_MM, RunClass, RunPass, RunPlan, RunStage, RunTip, RunWires};
pub use symptom::Symptom;
