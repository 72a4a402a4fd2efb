//! What is seen, heard or felt to be wrong.

use serde::{Deserialize, Serialize};

/// A symptom, as it is met at the lathe.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Symptom {
    /// The nut will not start.
    WontStart,
    /// It starts and then binds.
    Binds,
    /// It goes on crooked.
    Crooked,
    /// It is loose.
    Loose,
    /// Torn flanks.
    Torn,
    /// Chatter.
    Chatter,
    /// The thread tapers.
    Tapered,
    /// A double groove.
    DoubleGroove,
    /// The wrong pitch.
    WrongPitch,
    /// The wrong hand.
    WrongHand,
    /// Wires say yes and the nut says no.
    WiresYesNutNo,
    /// It will not fit, and nothing can be measured.
    NothingMeasures,
    /// The tip is broken.
    TipBroken,
    /// The tool ran into the shoulder.
    RanIn,
    /// The work slipped.
    Slipped,
    /// The half-nut was opened by mistake.
    NutOpened,
}

impl Symptom {
    /// All of them, in the order they are offered.
    pub const ALL: [Self; 16] = [
        Self::WontStart,
        Self::Binds,
        Self::WiresYesNutNo,
        Self::NothingMeasures,
        Self::Crooked,
        Self::Loose,
        Self::Torn,
        Self::Chatter,
        Self::Tapered,
        Self::DoubleGroove,
        Self::WrongPitch,
        Self::WrongHand,
        Self::TipBroken,
        Self::RanIn,
        Self::Slipped,
        Self::NutOpened,
    ];

    /// As it is said; `{mate}` and `{half-nut}` stand for the trade's words.
    #[must_use]
    pub const fn says(self) -> &'static str {
        match self {
            Self::WontStart => "The {mate} will not start",
            Self::Binds => "The {mate} starts, then binds",
            Self::Crooked => "The {mate} goes on crooked",
            Self::Loose => "It is loose",
            Self::Torn => "The flanks are torn",
            Self::Chatter => "It chatters",
            Self::Tapered => "It tapers",
            Self::DoubleGroove => "There are two grooves",
            Self::WrongPitch => "It is the wrong pitch",
            Self::WrongHand => "It is the wrong hand",
            Self::WiresYesNutNo => "The measurement says yes, the {mate} says no",
            Self::NothingMeasures => "It will not fit, and nothing can be measured",
            Self::TipBroken => "The tip is broken",
            Self::RanIn => "The tool ran into the shoulder",
            Self::Slipped => "The work slipped",
            Self::NutOpened => "The {half-nut} was opened by mistake",
        }
    }
}
