//! The parts of a lathe that are touched to be told.

use serde::Serialize;

/// A part that is touched to be told.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Part {
    /// The leadscrew.
    Leadscrew,
    /// What turns the first gear, which nothing changes.
    Stud,
    /// The gearbox and its plate.
    Gearbox,
    /// The tumbler.
    Tumbler,
    /// Gears in the drawer.
    Gears,
    /// The train on it now.
    Mounted,
    /// The arm.
    Arm,
    /// The threading dial.
    Dial,
    /// The cross-slide's dial.
    CrossSlide,
    /// The compound.
    Compound,
    /// Speeds.
    Speeds,
    /// The spindle: chuck, reversing, stopping.
    Spindle,
    /// The tool post.
    Post,
    /// What stops the carriage.
    Stop,
    /// The digital readout.
    Readout,
}

impl Part {
    /// The fields of a profile it is told by.
    #[must_use]
    pub const fn fields(self) -> &'static [&'static str] {
        match self {
            Self::Leadscrew => &["leadscrew", "half_nut", "thread_axis"],
            Self::Stud => &["fixed_ratio"],
            Self::Gearbox => &["gearbox", "plate"],
            Self::Tumbler => &["tumbler"],
            Self::Gears => &["gears", "gear_groups", "joined", "bound"],
            Self::Mounted => &["mounted"],
            Self::Arm => &["arm", "max_compounds"],
            Self::Dial => &["dial"],
            Self::CrossSlide => &["cross_slide"],
            Self::Compound => &["compound"],
            Self::Speeds => &["speeds_rpm"],
            Self::Spindle => &["spindle", "drive"],
            Self::Post => &["post"],
            Self::Stop => &["carriage_stop"],
            Self::Readout => &["readout"],
        }
    }
}
