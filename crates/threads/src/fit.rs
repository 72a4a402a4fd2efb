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
    /// Laid on, half a nut, a jaw or a split mate, it stands off from where it would sit home.
    LaidOn,
}

/// What met the mate, or the tool, before the thread did.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Touched {
    /// Nothing: the threads alone met.
    Nothing,
    /// The jaws.
    Jaws,
    /// A shoulder.
    Shoulder,
    /// A register.
    Register,
    /// The end: the bottom of the bore, or what stands beyond.
    End,
}

impl Touched {
    /// As sentences choose by it.
    #[must_use]
    pub const fn word(self) -> &'static str {
        match self {
            Self::Nothing => "nothing",
            Self::Jaws => "jaws",
            Self::Shoulder => "shoulder",
            Self::Register => "register",
            Self::End => "end",
        }
    }
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
    /// Laid on, it stands off by so much from where it would sit home.
    LaidOn {
        /// How much, mm.
        off_mm: f64,
    },
}

/// What was told with how the mate went.
#[derive(Debug, Clone, Copy, Default, PartialEq)]
pub struct FitTold {
    /// Turns it entered.
    pub turns: Option<f64>,
    /// How much it shakes, mm.
    pub shake_mm: Option<f64>,
    /// How much it stands off, laid on, mm.
    pub stands_off_mm: Option<f64>,
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
/// How well what stands off is read, by feelers or a rule's edge, mm radial. House value.
const OFF_DOUBT_MM: f64 = 0.05;

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
            // Held off on both flanks it stands as much too high as the groove wants depth. Sitting home it only says that it goes.
            Self::LaidOn { off_mm } if off_mm <= OFF_DOUBT_MM => band(-2.0 * (off_mm + OFF_DOUBT_MM), f64::INFINITY),
            Self::LaidOn { off_mm } => band(-2.0 * (off_mm + OFF_DOUBT_MM), -2.0 * (off_mm - OFF_DOUBT_MM)),
        }
    }

    /// Whether it goes: nothing of it asks for another cut.
    #[must_use]
    pub fn goes(self) -> bool {
        match self {
            Self::Free | Self::Shakes { .. } => true,
            Self::LaidOn { off_mm } => off_mm <= OFF_DOUBT_MM,
            Self::WontEnter | Self::Enters { .. } | Self::Tight => false,
        }
    }

    /// Puts it together from what was typed.
    ///
    /// # Errors
    /// The field and what would be right.
    pub fn of(kind: FitKind, told: FitTold) -> Result<Self, (&'static str, Sentence)> {
        let within = |value: f64, most: f64| value.is_finite() && (0.0..=most).contains(&value);
        let FitTold { turns, shake_mm, stands_off_mm } = told;
        match (kind, stands_off_mm) {
            (FitKind::LaidOn, Some(off_mm)) if within(off_mm, 20.0) && turns.is_none() && shake_mm.is_none() => return Ok(Self::LaidOn { off_mm }),
            (FitKind::LaidOn, Some(off)) if within(off, 20.0) => {}
            (FitKind::LaidOn, _) => return Err(("/stands_off_mm", sentence!("fit-say-stands-off"))),
            (_, Some(_)) => return Err(("/stands_off_mm", sentence!("fit-stands-off-belongs"))),
            (_, None) => {}
        }
        match (kind, turns, shake_mm) {
            (FitKind::Enters, Some(turns), None) if within(turns, 200.0) => Ok(Self::Enters { turns }),
            (FitKind::Enters, ..) => Err(("/turns", sentence!("fit-say-turns"))),
            (FitKind::Shakes, None, Some(shake_mm)) if within(shake_mm, 5.0) => Ok(Self::Shakes { shake_mm }),
            (FitKind::Shakes, ..) => Err(("/shake_mm", sentence!("fit-say-shake"))),
            (_, Some(_), _) => Err(("/turns", sentence!("fit-turns-belong"))),
            (_, _, Some(_)) => Err(("/shake_mm", sentence!("fit-shake-belongs"))),
            (FitKind::WontEnter, ..) => Ok(Self::WontEnter),
            (FitKind::Tight | FitKind::LaidOn, ..) => Ok(Self::Tight),
            (FitKind::Free, ..) => Ok(Self::Free),
        }
    }
}
