//! A sum of the bench pad, as asked for.

use super::rules;
use crate::working::Rule;
use serde::{Deserialize, Serialize};

/// What a sum does.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum SumKind {
    /// (a − b)/2.
    #[default]
    HalfDifference,
    /// Over a pin, less the pin.
    GapLessPin,
    /// What is still to come off.
    MetalLeft,
    /// One distance and another on from it.
    Location,
    /// Midway between two.
    Middle,
    /// What an indicator's swing does to one side.
    RunOut,
    /// A taper carried over a length.
    Taper,
    /// What to face off to pull up at an angle.
    FaceOff,
}

impl SumKind {
    /// The rule it works by.
    #[must_use]
    pub const fn rule(self) -> &'static Rule {
        match self {
            Self::HalfDifference => &rules::HALF_DIFFERENCE,
            Self::GapLessPin => &rules::GAP_LESS_PIN,
            Self::MetalLeft => &rules::METAL_LEFT,
            Self::Location => &rules::LOCATION,
            Self::Middle => &rules::MIDDLE,
            Self::RunOut => &rules::RUN_OUT,
            Self::Taper => &rules::TAPER,
            Self::FaceOff => &rules::FACE_OFF,
        }
    }
}

/// A fact a sum may feed.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Feeds {
    /// The blank or bore as turned.
    BlankDiameter,
    /// The threaded length.
    ThreadLength,
    /// Width of the relief there is.
    ReliefWidth,
    /// Diameter of the relief there is.
    ReliefDiameter,
    /// Room to stop in.
    RunoutRoom,
    /// From the face of the part's end to where the thread begins.
    FromEnd,
    /// Diameter of the shoulder.
    ShoulderDiameter,
    /// How far it stands out.
    StickOut,
    /// The plain size called as the sum is.
    PlainSize,
    /// How long that one is.
    PlainLength,
    /// Where that one begins.
    PlainPlace,
}

impl Feeds {
    /// All of them, in the order they are offered.
    pub const ALL: [Self; 11] = [
        Self::BlankDiameter,
        Self::ThreadLength,
        Self::ReliefWidth,
        Self::ReliefDiameter,
        Self::RunoutRoom,
        Self::FromEnd,
        Self::ShoulderDiameter,
        Self::StickOut,
        Self::PlainSize,
        Self::PlainLength,
        Self::PlainPlace,
    ];
}

/// One figure of a sum: as measured, or another sum's result.
#[derive(Debug, Clone, Default, PartialEq, Serialize, Deserialize)]
#[serde(default, deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct FigureRequest {
    /// As measured, mm or degrees.
    pub value: Option<f64>,
    /// The name of another sum, instead.
    pub from: Option<String>,
}

/// One sum as asked for.
#[derive(Debug, Clone, Default, PartialEq, Serialize, Deserialize)]
#[serde(default, deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct SumRequest {
    /// What it is called on the bench: `wall at the mouth`.
    pub name: String,
    /// What it does.
    pub kind: SumKind,
    /// Its figures, in the order of its rule.
    pub figures: Vec<FigureRequest>,
    /// The fact of the job it feeds.
    pub feeds: Option<Feeds>,
}
