//! The facts of a job: what was asked, what the lathe and kit are, what was assumed, and every field
//! error at once.

mod built;
mod choices;
pub mod defaults;
mod drawer;
mod facts;
mod lathe;
mod lathe_fact;
mod measuring;
mod mouth;
pub mod pad;
mod plate;
mod profile;
mod request;
mod untold;
mod workpiece;
mod written;

pub use crate::kit::{
    Condition, Kit, Material, MicrometerKind, OwnedBit, OwnedInsert, OwnedMicrometer, TOOLS, ToolEvent, ToolMaterial, materials, tool_material,
};
pub(crate) use crate::plain::HEXAGON_CORNERS;
pub use crate::plain::{PlainFacts, PlainKind, PlainRequest};
pub use choices::{BlankAim, DepthLaw, EndKind, Ending, Grinder, Holding, OwnRow, ReadBy, Style, Support, Way};
pub use facts::{BitFacts, CutFacts, GearFacts, Indicator, Job, SetupFacts, settle};
pub(crate) use lathe::MOST_SEEN;
pub use lathe::{GearBlank, Lathe, Readout, Slide, assumed_lathe};
pub use lathe_fact::LatheFact;
pub use measuring::GaugeFacts;
pub use mouth::{Parallel, ParallelRequest, RegisterFacts, RegisterFit, RegisterRequest};
pub use plate::{Misread, PlateRead};
pub use profile::{
    ArmProfile, BoundGears, CarriageStop, Chuck, DialProfile, GearBlankProfile, GearGroup, LatheProfile, LeadscrewProfile, MountedProfile, OneOrMany, Post,
    Power, ReadoutProfile, Reads, ScaleZero, SeenProfile, SlideProfile, Source, Speeds, SpindleProfile, ThreadAxis, Tumbler, Without,
};
pub use request::{
    BitRequest, BlankRequest, CutRequest, GaugeRequest, GearsRequest, HangRequest, IndicatorRequest, LeadCorrection, MateRequest, PlanRequest, Proof,
    SetupRequest, ThreadRequest,
};
pub use untold::{Checked, checked};
pub use workpiece::BlankFacts;
pub use written::{GearEntry, GearList, KeepRequest, PlateRequest};
pub use yoke_gears::{Arm, Dial, Drive, Gear, GearboxPosition, Mounted, Place};
