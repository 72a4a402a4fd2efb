//! A thread and its mate as told and settled.

use super::spec::ThreadSpec;
use super::system::Side;
use crate::direction::Faces;
use crate::quantity::Exact;
use serde::{Deserialize, Serialize};

/// A thread that is in no table. What is not given follows from the angle.
#[derive(Debug, Clone, Default, PartialEq, Serialize, Deserialize)]
#[serde(default, deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct SpecialRequest {
    /// Nominal diameter.
    pub major_mm: Option<Exact>,
    /// Pitch; or give `tpi`.
    pub pitch_mm: Option<Exact>,
    /// Threads per inch; or give `pitch_mm`.
    pub tpi: Option<Exact>,
    /// Included angle, 0 or 3 to 120; 60 when absent.
    pub included_angle_deg: Option<f64>,
    /// Diameter at the screw's root.
    pub minor_mm: Option<f64>,
    /// Flat on the screw's crest.
    pub crest_flat_mm: Option<f64>,
    /// Flat at the screw's root; or give `minor_mm`.
    pub root_flat_mm: Option<f64>,
    /// Pitch-diameter tolerance.
    pub tolerance_mm: Option<f64>,
}

/// The thread, settled.
#[derive(Debug, Clone, PartialEq)]
pub struct ThreadFacts {
    /// What is to be cut.
    pub spec: ThreadSpec,
    /// Threaded length, mm.
    pub length_mm: f64,
    /// Length the mate engages, mm, when given.
    pub engagement_mm: Option<f64>,
    /// Thickness of a coating to come, a surface, mm; 0 for none.
    pub coating_mm: f64,
    /// Where the flank that carries the load faces, of a thread with unequal flanks, when told.
    pub load_faces: Option<Faces>,
}

/// The mate, settled.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct MateFacts {
    /// School asked for.
    pub school: Option<PairSchool>,
    /// Pitch diameter of the mate as made, mm, when measured.
    pub made_mm: Option<f64>,
    /// How far that may be out, mm, where it was reckoned and not measured.
    pub doubt_mm: Option<f64>,
    /// Crest diameter of the mate as turned or bored, mm, when measured.
    pub crest_mm: Option<f64>,
    /// Root diameter of the mate as cut, mm, when known.
    pub root_mm: Option<f64>,
    /// Least clearance asked for, mm.
    pub clearance_mm: Option<f64>,
    /// Whether the parts must interchange.
    pub interchange: bool,
}

/// Which member is made first.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum PairSchool {
    /// The nut first, the screw fitted to it.
    InternalFirst,
    /// The screw first, the nut fitted to it.
    ExternalFirst,
    /// Both to the standard's limits.
    Limits,
}

impl PairSchool {
    /// The member that is fitted to the other, if one is.
    pub const fn second(self) -> Option<Side> {
        match self {
            Self::InternalFirst => Some(Side::External),
            Self::ExternalFirst => Some(Side::Internal),
            Self::Limits => None,
        }
    }
}
