//! Fit by feel: what trying the mate says of the clearance between them.

use serde::{Deserialize, Serialize};
use yoke_ground::says::Sentence;
use yoke_ground::sentence;

/// The mate a run is tried with, and how well it is known.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct RunMate {
    /// Pitch diameter it is taken to have, mm.
    pub pitch_diameter_mm: f64,
    /// How far it may be from that, mm.
    pub doubt_mm: f64,
}

/// How the mate went, as it is told.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum FitKind {
    /// It will not enter.
    WontEnter,
    /// It enters some turns and stops.
    Enters,
    /// It goes the whole way, tight.
    Tight,
    /// It runs free, without shake.
    Free,
    /// It shakes.
    Shakes,
}

/// How the mate went.
#[derive(Debug, Clone, Copy, PartialEq)]
pub enum Fit {
    /// It will not enter.
    WontEnter,
    /// It enters so many turns and stops.
    Enters {
        /// Turns it went.
        turns: f64,
    },
    /// It goes the whole way, tight.
    Tight,
    /// It runs free, without shake.
    Free,
    /// It shakes by so much across.
    Shakes {
        /// How much, mm.
        shake_mm: f64,
    },
}

/// Bounds of a clearance on the pitch diameter, mm.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct FitBand {
    /// Least.
    pub least_mm: f64,
    /// Most.
    pub most_mm: f64,
}

/// Clearance from which a mate runs free, and from which it shakes, mm: a part that every thread needs, and a part that grows with the
/// pitch. House values, to be bettered by what the mate's readings find.
const FREE_MM: [f64; 2] = [0.012, 0.010];
const SHAKES_MM: [f64; 2] = [0.050, 0.030];
/// A mate that enters and stops is held by the lead's or the taper's few hundredths: from how tight it may be there, mm.
const ENTERS_MM: f64 = 0.04;
/// How well a shake is judged by hand, as a share of it.
const SHAKE_DOUBT: f64 = 0.25;

impl Fit {
    /// The clearance it stands for on a thread of this pitch: screw smaller than nut by so much on the pitch diameter.
    #[must_use]
    pub fn clearance(self, pitch_mm: f64) -> FitBand {
        let at = |[all, share]: [f64; 2]| all + share * pitch_mm;
        let band = |least_mm: f64, most_mm: f64| FitBand { least_mm, most_mm };
        match self {
            Self::WontEnter => band(f64::NEG_INFINITY, 0.0),
            Self::Enters { .. } => band(-ENTERS_MM, 0.0),
            Self::Tight => band(0.0, at(FREE_MM)),
            Self::Free => band(at(FREE_MM), at(SHAKES_MM)),
            Self::Shakes { shake_mm } => {
                let least = (shake_mm * (1.0 - SHAKE_DOUBT)).max(at(SHAKES_MM));
                band(least, (shake_mm * (1.0 + SHAKE_DOUBT)).max(least + 0.02))
            }
        }
    }

    /// Puts it together from what was typed.
    ///
    /// # Errors
    /// The field and what would be right.
    pub fn of(kind: FitKind, turns: Option<f64>, shake_mm: Option<f64>) -> Result<Self, (&'static str, Sentence)> {
        match (kind, turns, shake_mm) {
            (FitKind::Enters, Some(turns), None) if turns.is_finite() && (0.0..=200.0).contains(&turns) => Ok(Self::Enters { turns }),
            (FitKind::Enters, ..) => Err(("/turns", sentence!("fit-say-turns"))),
            (FitKind::Shakes, None, Some(shake_mm)) if shake_mm.is_finite() && (0.0..=5.0).contains(&shake_mm) => Ok(Self::Shakes { shake_mm }),
            (FitKind::Shakes, ..) => Err(("/shake_mm", sentence!("fit-say-shake"))),
            (_, Some(_), _) => Err(("/turns", sentence!("fit-turns-belong"))),
            (_, _, Some(_)) => Err(("/shake_mm", sentence!("fit-shake-belongs"))),
            (FitKind::WontEnter, ..) => Ok(Self::WontEnter),
            (FitKind::Tight, ..) => Ok(Self::Tight),
            (FitKind::Free, ..) => Ok(Self::Free),
        }
    }
}
