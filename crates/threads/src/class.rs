//! Tolerance classes, of the systems they belong to.

use crate::system::Side;

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
#[must_use]
pub const fn iso(grade: u8, letter: char) -> Class {
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
