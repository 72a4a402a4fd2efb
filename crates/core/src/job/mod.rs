//! The facts of a job: what was asked, what the lathe and kit are, what was assumed, and every field
//! error at once.

mod checker;
mod drawer;
mod facts;
mod faults;
mod kit;
mod lathe;
mod material;
mod measuring;
mod plate;
mod profile;
mod request;
mod workpiece;

pub(crate) use checker::Checker;
pub use drawer::{GearEntry, GearList};
pub(crate) use facts::BACKLASH_MM;
pub use facts::{Assumption, BitFacts, CutFacts, Ending, GearFacts, Indicator, Job, MateFacts, SetupFacts, Style, ThreadFacts, Wall, Way, settle};
pub use faults::{Fault, read_json};
pub use kit::{Condition, Happened, Kit, MicrometerKind, OwnedBit, OwnedInsert, OwnedMicrometer};
pub use lathe::{Arm, Checked, Dial, Gear, Lathe, MAX_TEETH, MIN_TEETH, Mounted, Readout, Slide, checked, long_bed};
pub use material::{Material, TOOLS, ToolMaterial, materials, tool_material};
pub use measuring::{GaugeFacts, Original};
pub use plate::{Misread, PlateRead, PlateRequest};
pub use profile::{
    ArmProfile, BoundGears, CarriageStop, Chuck, DialProfile, GearGroup, GearboxPosition, LatheProfile, LeadscrewProfile, MountedProfile, OneOrMany, Place,
    Post, ReadoutProfile, Reads, ScaleZero, SlideProfile, Speeds, SpindleProfile, Tumbler,
};
pub use request::{
    BitRequest, BlankRequest, CutRequest, GaugeRequest, GearsRequest, HangRequest, IndicatorRequest, KeepRequest, LeadCorrection, MateRequest, PlanRequest,
    Proof, SetupRequest, SpecialRequest, ThreadRequest, Vocabulary,
};
pub use workpiece::BlankFacts;
