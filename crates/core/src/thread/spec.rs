//! What a thread is, once its callout is read.

use super::class::Class;
use super::series::pitch_text;
use crate::quantity::{MM_PER_INCH, Ratio, real};
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
    /// What the user gives.
    Special,
}

impl System {
    /// Half the included angle, degrees; a special's is its own.
    #[must_use]
    pub const fn half_angle_deg(self) -> f64 {
        match self {
            Self::IsoMetric | Self::Unified | Self::Special => 30.0,
            Self::Acme | Self::StubAcme => 14.5,
            Self::Trapezoidal => 15.0,
            Self::Whitworth | Self::PipeG => 27.5,
            Self::Ba => 23.75,
            Self::Square => 0.0,
        }
    }

    /// The form in a word or two.
    #[must_use]
    pub const fn word(self) -> &'static str {
        match self {
            Self::IsoMetric => "ISO metric",
            Self::Unified => "Unified",
            Self::Acme => "Acme",
            Self::StubAcme => "Stub Acme",
            Self::Trapezoidal => "trapezoidal",
            Self::Whitworth => "Whitworth",
            Self::PipeG => "parallel pipe",
            Self::Ba => "BA",
            Self::Square => "square",
            Self::Special => "special",
        }
    }

    /// Whether it is one of the standard 60° forms, which share their flats and rules of thumb.
    #[must_use]
    pub const fn is_sixty(self) -> bool {
        matches!(self, Self::IsoMetric | Self::Unified)
    }

    /// Whether crest and root are rounded.
    #[must_use]
    pub const fn is_rounded(self) -> bool {
        matches!(self, Self::Whitworth | Self::PipeG | Self::Ba)
    }
}

/// Which member of the pair is cut.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Side {
    /// The screw.
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

/// Which way the thread climbs.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Hand {
    /// Advances when turned clockwise.
    Right,
    /// Advances when turned anticlockwise.
    Left,
}

impl Hand {
    /// As it is said.
    #[must_use]
    pub const fn word(self) -> &'static str {
        match self {
            Self::Right => "right-hand",
            Self::Left => "left-hand",
        }
    }
}

/// The form of a special thread, mm; what is not given follows from the angle.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct SpecialForm {
    /// Included angle, degrees; 0 for straight sides.
    pub included_angle_deg: f64,
    /// Flat on the screw's crest.
    pub crest_flat_mm: Option<f64>,
    /// Flat at the screw's root.
    pub root_flat_mm: Option<f64>,
    /// Diameter at the screw's root, instead of the root flat.
    pub minor_mm: Option<f64>,
    /// Pitch-diameter tolerance.
    pub tolerance_mm: Option<f64>,
}

/// A thread as called for.
#[derive(Debug, Clone, PartialEq)]
pub struct ThreadSpec {
    /// Family.
    pub system: System,
    /// Size without class or hand, as it is usually written: `M20×2.5`, `7/8-9 UNC`.
    pub size: String,
    /// Exact nominal diameter, mm.
    pub major: Ratio,
    /// Exact pitch, mm.
    pub pitch: Ratio,
    /// Threads per inch, for inch threads.
    pub tpi: Option<Ratio>,
    /// `coarse`, `fine`, `UNC`, `8-UN` …
    pub series: String,
    /// Starts, 1-12.
    pub starts: u8,
    /// Hand.
    pub hand: Hand,
    /// Member to be cut.
    pub side: Side,
    /// Class of the member to be cut.
    pub class: Class,
    /// Whether the callout named the hand.
    pub hand_given: bool,
    /// Whether the callout named the class.
    pub class_given: bool,
    /// Whether the callout named the starts.
    pub starts_given: bool,
    /// Clearance between the members at crest and root, on diameter, mm, where the user gives one.
    pub clearance_mm: Option<f64>,
    /// Whether a 60° screw's root must be rounded.
    pub rounded_root: bool,
    /// The user's own form, of a special thread.
    pub special: Option<SpecialForm>,
}

impl ThreadSpec {
    /// Why the form of a special does not close, if it does not: the flats given or that follow leave no
    /// flank, or cross.
    #[must_use]
    pub(crate) fn does_not_close(&self) -> Option<String> {
        let form = self.special?;
        let (d, p) = (real(&self.major), real(&self.pitch));
        let tan = self.half_angle_deg().to_radians().tan();
        let minor = form.minor_mm?;
        let depth = (d - minor) / 2.0;
        // What is left of the pitch at crest and root together when both flanks run the whole depth.
        let left = p - 2.0 * depth * tan;
        let crest = form.crest_flat_mm.unwrap_or(0.0);
        (left < crest - 1e-9 && tan > 0.0).then(|| {
            format!(
                "flanks of {}° cannot reach {} mm deep at this pitch: {} mm is the most{}; check the root, the pitch or the angle",
                form.included_angle_deg,
                crate::quantity::plain_text(depth, 3),
                crate::quantity::plain_text((p - crest) / (2.0 * tan), 3),
                if crest > 0.0 { " under that crest" } else { "" }
            )
        })
    }

    /// Exact lead, mm.
    #[must_use]
    pub fn lead(&self) -> Ratio {
        self.pitch * Ratio::from_integer(i128::from(self.starts))
    }

    /// Whether its sizes are printed in inches; pipe threads count by the inch and print in mm.
    #[must_use]
    pub const fn is_inch(&self) -> bool {
        self.tpi.is_some() && !matches!(self.system, System::PipeG)
    }

    /// Half the included angle, degrees.
    #[must_use]
    pub fn half_angle_deg(&self) -> f64 {
        self.special.map_or_else(|| self.system.half_angle_deg(), |s| s.included_angle_deg / 2.0)
    }

    /// Nominal diameter and pitch in inches.
    #[must_use]
    pub fn inches(&self) -> (f64, f64) {
        (real(&self.major) / MM_PER_INCH, real(&self.pitch) / MM_PER_INCH)
    }

    /// The pitch as it is said: `2.5 mm`, `9 TPI`.
    #[must_use]
    pub fn pitch_text(&self) -> String {
        pitch_text(&self.pitch, self.tpi.as_ref())
    }

    /// The whole callout: size, starts, class, hand.
    #[must_use]
    pub fn name(&self) -> String {
        let class = self.class.to_string();
        let dash = if class.is_empty() { "" } else { "-" };
        // A metric callout says its starts by the lead; the others in words.
        let starts = if self.starts > 1 && !self.size.contains('P') { format!(" {} start", self.starts) } else { String::new() };
        let left = if self.hand == Hand::Left { " LH" } else { "" };
        let size = if self.rounded_root { self.size.replacen(" UN", " UNR", 1) } else { self.size.clone() };
        format!("{size}{dash}{class}{starts}{left}")
    }
}
