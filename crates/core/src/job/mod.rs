//! The facts of a job: what was asked, what the lathe and kit are, what was assumed, and every field
//! error at once.

mod checker;
mod drawer;
mod facts;
mod faults;
mod kit;
mod lathe;
mod material;
mod request;
mod workpiece;

pub(crate) use checker::Checker;
pub use drawer::{GearEntry, GearList};
pub use facts::{Assumption, BitFacts, CutFacts, Ending, GaugeFacts, GearFacts, Job, MateFacts, SetupFacts, Style, ThreadFacts, Way, settle};
pub use faults::{Fault, read_json};
pub use kit::{Kit, OwnedBit};
pub use lathe::{
    Arm, BoundGears, Chuck, Dial, Gear, GearboxPosition, Lathe, LatheProfile, MAX_TEETH, MIN_TEETH, Mounted, Place, Reads, Slide, Speeds, long_bed,
};
pub use material::{Material, materials};
pub use request::{
    BitRequest, BlankRequest, CutRequest, GaugeRequest, GearsRequest, HangRequest, KeepRequest, LeadCorrection, MateRequest, PlanRequest, SetupRequest,
    SpecialRequest, ThreadRequest, Vocabulary,
};
pub use workpiece::BlankFacts;
