//! The facts of a job: what was asked, what the lathe and kit are, what was assumed, and every field
//! error at once.

mod checker;
mod drawer;
mod facts;
mod faults;
mod kit;
mod lathe;
mod material;
mod plate;
mod request;
mod workpiece;

pub(crate) use checker::Checker;
pub use drawer::{GearEntry, GearList};
pub use facts::{Assumption, BitFacts, CutFacts, Ending, GaugeFacts, GearFacts, Job, MateFacts, SetupFacts, Style, ThreadFacts, Wall, Way, settle};
pub use faults::{Fault, read_json};
pub use kit::{Kit, OwnedBit};
pub use lathe::{
    Arm, ArmProfile, BoundGears, CarriageStop, Checked, Chuck, Dial, DialProfile, Gear, GearGroup, GearboxPosition, Lathe, LatheProfile, LeadscrewProfile,
    MAX_TEETH, MIN_TEETH, Mounted, MountedProfile, OneOrMany, Place, Post, ReadoutProfile, Reads, ScaleZero, Slide, SlideProfile, Speeds, SpindleProfile,
    Tumbler, checked, long_bed,
};
pub use material::{Material, materials};
pub use plate::{Misread, PlateRead, PlateRequest};
pub use request::{
    BitRequest, BlankRequest, CutRequest, GaugeRequest, GearsRequest, HangRequest, KeepRequest, LeadCorrection, MateRequest, PlanRequest, SetupRequest,
    SpecialRequest, ThreadRequest, Vocabulary,
};
pub use workpiece::BlankFacts;
