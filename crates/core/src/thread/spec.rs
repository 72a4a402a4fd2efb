//! What a thread is, once its callout is read.

use crate::quantity::{Ratio, plain_text, real};
use serde::{Deserialize, Serialize};

/// The families read so far.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum System {
    /// ISO metric, ISO 68-1 and 965-1.
    IsoMetric,
    /// Unified, ASME B1.1.
    Unified,
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

/// A tolerance class, of the system it belongs to.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Class {
    /// ISO: grade and position of the pitch diameter, then of the crest (`5g6g`).
    Iso {
        /// Pitch-diameter grade, 3-9.
        pitch_grade: u8,
        /// Crest grade.
        crest_grade: u8,
        /// Pitch-diameter position letter, one of e f g h G H.
        pitch_position: char,
        /// Crest position letter.
        crest_position: char,
    },
    /// Unified 1, 2 or 3.
    Unified {
        /// 1, 2 or 3.
        number: u8,
        /// A external, B internal.
        side: Side,
    },
}

impl Class {
    /// The side the class belongs to.
    #[must_use]
    pub const fn side(self) -> Side {
        match self {
            Self::Iso { pitch_position, .. } if pitch_position.is_ascii_uppercase() => Side::Internal,
            Self::Iso { .. } => Side::External,
            Self::Unified { side, .. } => side,
        }
    }

    /// The class used when none is given: 6g/6H (to 1.4 mm 5h6h/5H), 2A/2B.
    #[must_use]
    pub fn usual(system: System, side: Side, major_mm: f64) -> Self {
        match (system, side) {
            (System::Unified, side) => Self::Unified { number: 2, side },
            (System::IsoMetric, Side::External) if major_mm <= 1.4 => Self::Iso { pitch_grade: 5, crest_grade: 6, pitch_position: 'h', crest_position: 'h' },
            (System::IsoMetric, Side::External) => Self::Iso { pitch_grade: 6, crest_grade: 6, pitch_position: 'g', crest_position: 'g' },
            (System::IsoMetric, Side::Internal) => {
                let grade = if major_mm <= 1.4 { 5 } else { 6 };
                Self::Iso { pitch_grade: grade, crest_grade: grade, pitch_position: 'H', crest_position: 'H' }
            }
        }
    }

    /// Reads `6g`, `5g6g`, `6H`, `2A`.
    ///
    /// # Errors
    /// Says which part is wrong and what would be right.
    pub fn read(text: &str, system: System) -> Result<Self, String> {
        match system {
            System::Unified => Self::read_unified(text),
            System::IsoMetric => Self::read_iso(text),
        }
    }

    fn read_unified(text: &str) -> Result<Self, String> {
        let upper = text.trim().to_ascii_uppercase();
        let mut chars = upper.chars();
        let (Some(number @ '1'..='3'), Some(letter @ ('A' | 'B')), None) = (chars.next(), chars.next(), chars.next()) else {
            return Err(format!("class “{text}” is not Unified; write 1A, 2A or 3A for a screw, 1B, 2B or 3B for a nut"));
        };
        let side = if letter == 'A' { Side::External } else { Side::Internal };
        Ok(Self::Unified { number: number as u8 - b'0', side })
    }

    fn read_iso(text: &str) -> Result<Self, String> {
        let wrong = |why: &str| format!("class “{text}” {why}; write 6g, 5g6g or 4h for a screw, 6H or 5H for a nut");
        let zone = |s: &str| -> Option<(u8, char)> {
            let mut chars = s.chars();
            match (chars.next(), chars.next(), chars.next()) {
                (Some(grade @ '3'..='9'), Some(letter @ ('e' | 'f' | 'g' | 'h' | 'G' | 'H')), None) => Some((grade as u8 - b'0', letter)),
                _ => None,
            }
        };
        let text_in = text.trim();
        let cut = if text_in.len() == 4 && text_in.is_ascii() { 2 } else { text_in.len() };
        let (first, second) = text_in.split_at(cut);
        let pitch = zone(first).ok_or_else(|| wrong("is not an ISO grade and letter"))?;
        let crest = if second.is_empty() { pitch } else { zone(second).ok_or_else(|| wrong("has a crest part that does not read"))? };
        if pitch.1.is_ascii_uppercase() != crest.1.is_ascii_uppercase() {
            return Err(wrong("mixes a screw's letter with a nut's"));
        }
        let internal = pitch.1.is_ascii_uppercase();
        if internal && !((4..=8).contains(&pitch.0) && (4..=8).contains(&crest.0)) {
            return Err(wrong("has no such grade for a nut (4 to 8)"));
        }
        if !internal && ![4, 6, 8].contains(&crest.0) {
            return Err(wrong("needs a crest grade of 4, 6 or 8, as in 5h6h"));
        }
        Ok(Self::Iso { pitch_grade: pitch.0, crest_grade: crest.0, pitch_position: pitch.1, crest_position: crest.1 })
    }
}

impl std::fmt::Display for Class {
    fn fmt(&self, f: &mut std::fmt::Formatter<'_>) -> std::fmt::Result {
        match *self {
            Self::Unified { number, side } => write!(f, "{number}{}", if side == Side::External { 'A' } else { 'B' }),
            Self::Iso { pitch_grade, crest_grade, pitch_position, crest_position } => {
                write!(f, "{pitch_grade}{pitch_position}")?;
                if (pitch_grade, pitch_position) != (crest_grade, crest_position) {
                    write!(f, "{crest_grade}{crest_position}")?;
                }
                Ok(())
            }
        }
    }
}

/// A thread as called for.
#[derive(Debug, Clone, PartialEq, Eq)]
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
    /// The class as the callout wrote it, if it did.
    pub class_given: bool,
}

impl ThreadSpec {
    /// Exact lead, mm.
    #[must_use]
    pub fn lead(&self) -> Ratio {
        self.pitch * Ratio::from_integer(i128::from(self.starts))
    }

    /// Whether its sizes are printed in inches.
    #[must_use]
    pub const fn is_inch(&self) -> bool {
        matches!(self.system, System::Unified)
    }

    /// The pitch as it is said: `2.5 mm`, `9 TPI`.
    #[must_use]
    pub fn pitch_text(&self) -> String {
        let tidy = |r: &Ratio| plain_text(real(r), 4).trim_end_matches('0').trim_end_matches('.').to_owned();
        self.tpi.map_or_else(|| format!("{} mm", tidy(&self.pitch)), |n| format!("{} TPI", tidy(&n)))
    }

    /// The whole callout: size, class, hand.
    #[must_use]
    pub fn name(&self) -> String {
        let left = if self.hand == Hand::Left { " LH" } else { "" };
        format!("{}-{}{left}", self.size, self.class)
    }
}
