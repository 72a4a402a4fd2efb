//! Log: what was done at the lathe, as acts over a frozen plan.

mod act;
mod learned;
mod run;

pub use act::{Act, ActKind, Back, BitChange};
pub(crate) use learned::mean_and_spread;
pub use learned::{JobLearned, Learned, learned, reaction_s};
pub use run::{NextStep, RunState, Tick, fold, judge_told, standing};
pub(crate) use run::{name_of, undone};
