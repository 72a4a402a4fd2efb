//! Log: what was done at the lathe, as acts over a frozen plan.

mod act;
mod learned;
mod plan;
mod run;
mod story;

pub use act::{Act, ActKind, BitChange};
pub use learned::{JobLearned, Learned, learned, reaction_s};
pub use plan::{CyclePhase, RunPass, RunPlan, RunWires};
pub(crate) use run::standing;
pub use run::{NextStep, RunState, Tick, fold, judge_told};
pub use story::{Story, StoryLine, Told, result, story, story_csv};
