//! Tolerance classes, of the systems they belong to.

use super::spec::{Side, System};

/// A tolerance class.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Class {
    /// ISO: grade and position of the pitch diameter, then of the crest (`5g6g`); 7e, 8e, 7H, 8H for
    /// trapezoidal threads.
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
    /// Acme general purpose, 2G, 3G or 4G, on either member.
    Acme(u8),
    /// Whitworth close, medium or free, on either member.
    Whitworth(WhitworthFit),
    /// Pipe A or B, of the screw; the socket has but one.
    Pipe {
        /// Whether it is the wider class B.
        wide: bool,
    },
    /// No class: nominal sizes with a working band, or the user's own tolerance.
    Nominal,
}

/// The fits of BS 84.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum WhitworthFit {
    /// Two thirds of the medium tolerance.
    Close,
    /// The usual one.
    Medium,
    /// Half as much again.
    Free,
}

/// An ISO class with crest like pitch.
const fn iso(grade: u8, letter: char) -> Class {
    Class::Iso { pitch_grade: grade, crest_grade: grade, pitch_position: letter, crest_position: letter }
}

impl Class {
    /// The side the class belongs to, if it belongs to one.
    #[must_use]
    pub const fn side(self) -> Option<Side> {
        match self {
            Self::Iso { pitch_position, .. } if pitch_position.is_ascii_uppercase() => Some(Side::Internal),
            Self::Iso { .. } | Self::Pipe { .. } => Some(Side::External),
            Self::Unified { side, .. } => Some(side),
            Self::Acme(_) | Self::Whitworth(_) | Self::Nominal => None,
        }
    }

    /// The class used when none is given: 6g/6H (to 1.4 mm 5h6h/5H), 2A/2B, 2G, 7e/7H, medium, A.
    #[must_use]
    pub fn usual(system: System, side: Side, major_mm: f64) -> Self {
        match (system, side) {
            (System::Unified, side) => Self::Unified { number: 2, side },
            (System::IsoMetric, Side::External) if major_mm <= 1.4 => Self::Iso { pitch_grade: 5, crest_grade: 6, pitch_position: 'h', crest_position: 'h' },
            (System::IsoMetric, Side::External) => iso(6, 'g'),
            (System::IsoMetric, Side::Internal) => iso(if major_mm <= 1.4 { 5 } else { 6 }, 'H'),
            (System::Acme | System::StubAcme, _) => Self::Acme(2),
            (System::Trapezoidal, Side::External) => iso(7, 'e'),
            (System::Trapezoidal, Side::Internal) => iso(7, 'H'),
            (System::Whitworth, _) => Self::Whitworth(WhitworthFit::Medium),
            (System::PipeG, Side::External) => Self::Pipe { wide: false },
            (System::PipeG, Side::Internal) | (System::Ba | System::Square | System::Special, _) => Self::Nominal,
        }
    }

    /// The classes of a system for one member, as they are met: for saying which of them a size past its own limits still fits.
    #[must_use]
    pub fn met(system: System, side: Side) -> Vec<Self> {
        match (system, side) {
            (System::Unified, side) => (1..=3).map(|number| Self::Unified { number, side }).collect(),
            (System::IsoMetric, Side::External) => [(6, 'h'), (6, 'g'), (6, 'f'), (6, 'e'), (8, 'g'), (8, 'e')].map(|(g, l)| iso(g, l)).into(),
            (System::IsoMetric, Side::Internal) => [(6, 'H'), (6, 'G'), (7, 'H'), (7, 'G'), (8, 'H'), (8, 'G')].map(|(g, l)| iso(g, l)).into(),
            (System::Acme, _) => [4, 3, 2].map(Self::Acme).into(),
            (System::Trapezoidal, Side::External) => [iso(7, 'e'), iso(8, 'e')].into(),
            (System::Trapezoidal, Side::Internal) => [iso(7, 'H'), iso(8, 'H')].into(),
            (System::Whitworth, _) => [WhitworthFit::Close, WhitworthFit::Medium, WhitworthFit::Free].map(Self::Whitworth).into(),
            (System::PipeG, Side::External) => [false, true].map(|wide| Self::Pipe { wide }).into(),
            _ => Vec::new(),
        }
    }

    /// Reads `6g`, `5g6g`, `6H`, `2A`, `3G`, `7e`, `medium`, `B`.
    ///
    /// # Errors
    /// Says which part is wrong and what would be right.
    pub fn read(text: &str, system: System) -> Result<Self, String> {
        match system {
            System::Unified => Self::read_unified(text),
            System::IsoMetric => Self::read_iso(text),
            System::Trapezoidal => Self::read_trapezoidal(text),
            System::Acme => match text.trim().to_ascii_uppercase().as_str() {
                "2G" => Ok(Self::Acme(2)),
                "3G" => Ok(Self::Acme(3)),
                "4G" => Ok(Self::Acme(4)),
                _ => Err(format!("class “{text}” is not a general-purpose Acme class; write 2G, 3G or 4G")),
            },
            System::StubAcme => match text.trim().to_ascii_uppercase().as_str() {
                "2G" => Ok(Self::Acme(2)),
                _ => Err(format!("class “{text}” is not a Stub Acme class; there is one, 2G")),
            },
            System::Whitworth => match text.trim().to_ascii_lowercase().as_str() {
                "close" => Ok(Self::Whitworth(WhitworthFit::Close)),
                "medium" => Ok(Self::Whitworth(WhitworthFit::Medium)),
                "free" => Ok(Self::Whitworth(WhitworthFit::Free)),
                _ => Err(format!("class “{text}” is not a Whitworth fit; write close, medium or free")),
            },
            System::PipeG => match text.trim().to_ascii_uppercase().as_str() {
                "A" => Ok(Self::Pipe { wide: false }),
                "B" => Ok(Self::Pipe { wide: true }),
                _ => Err(format!("class “{text}” is not a pipe class; write A or B for the outside thread, nothing for the socket")),
            },
            System::Ba | System::Square | System::Special if text.trim().is_empty() => Ok(Self::Nominal),
            System::Ba | System::Square | System::Special => {
                Err(format!("class “{text}” has no meaning here: a {} thread has no classes; leave it out", system.word()))
            }
        }
    }

    fn read_trapezoidal(text: &str) -> Result<Self, String> {
        match text.trim() {
            "7e" | "7E" => Ok(iso(7, 'e')),
            "8e" | "8E" => Ok(iso(8, 'e')),
            "7H" | "7h" => Ok(iso(7, 'H')),
            "8H" | "8h" => Ok(iso(8, 'H')),
            _ => Err(format!("class “{text}” is not kept for trapezoidal threads; write 7e or 8e for a screw, 7H or 8H for a nut")),
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
            Self::Acme(number) => write!(f, "{number}G"),
            Self::Whitworth(fit) => f.write_str(match fit {
                WhitworthFit::Close => "close",
                WhitworthFit::Medium => "medium",
                WhitworthFit::Free => "free",
            }),
            Self::Pipe { wide } => f.write_str(if wide { "B" } else { "A" }),
            Self::Nominal => Ok(()),
        }
    }
}
