//! Families of threads by name, and the two members of a thread.

use serde::{Deserialize, Serialize};

/// The families of thread.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum System {
    /// ISO metric, ISO 68-1 and 965-1.
    IsoMetric,
    /// Unified, ASME B1.1.
    Unified,
    /// Acme, ASME B1.5.
    Acme,
    /// Stub Acme, ASME B1.8.
    StubAcme,
    /// Metric trapezoidal, ISO 2901 to 2904.
    Trapezoidal,
    /// Whitworth, BS 84.
    Whitworth,
    /// Parallel pipe, ISO 228-1.
    PipeG,
    /// British Association, BS 93.
    Ba,
    /// Square, by custom.
    Square,
    /// Buttress of 7° and 45°, ASME B1.9.
    Buttress,
    /// Metric buttress of 3° and 30°, DIN 513.
    MetricButtress,
    /// What the user gives.
    Special,
}

/// Which member of the pair is cut.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Side {
    /// The screw.
    #[default]
    External,
    /// The nut or bore.
    Internal,
}

impl Side {
    /// The mating side.
    #[must_use]
    pub const fn other(self) -> Self {
        match self {
            Self::External => Self::Internal,
            Self::Internal => Self::External,
        }
    }

    /// As it is said.
    #[must_use]
    pub const fn word(self) -> &'static str {
        match self {
            Self::External => "external",
            Self::Internal => "internal",
        }
    }
}
