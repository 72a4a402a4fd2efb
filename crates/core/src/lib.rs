//! Yoke Turn's core: the rules of single-point threading and every computation.
//!
//! Pure functions over plain data: no I/O, no clock, no interface. [`job::settle`] turns a request
//! into facts, reporting every fault at once; [`plan::plan`] reckons the whole job from them.
//!
//! ```
//! use yoke_core::{faults, job, plan};
//! let request = serde_json::json!({ "thread": { "callout": "M20x2.5-6g" } });
//! let (request, faults) = faults::read_json::<job::PlanRequest>(request);
//! let (facts, lathe, kit) = job::settle(&request, None, faults).map_err(|f| format!("{f:?}"))?;
//! let plan = plan::plan(&facts, &lathe, &kit);
//! assert_eq!(plan.pointed().ok_or("by a die or tap")?.gears.required_ratio, "100/127");
//! # Ok::<(), String>(())
//! ```

pub mod batch;
pub mod bit;
pub mod blank;
pub mod chaser;
pub mod csv_out;
pub mod cut;
pub mod gauge;
pub mod gears;
pub mod instruments;
pub mod job;
pub mod kit;
pub mod log;
pub mod making;
pub mod original;
pub mod paper;
pub mod part;
pub(crate) mod plain;
pub mod plan;
pub mod rehearse;
pub mod route;
pub mod rulebook;
pub mod run;
pub mod setup;
pub mod sheets;
pub mod shop;
pub mod story;
pub mod trouble;

pub use yoke_ground::{direction, faults, outline, quantity, say, says, sentence, stiffness, voice, watch, words, working};
pub use yoke_threads as thread;
