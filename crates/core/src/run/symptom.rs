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

    /// The name of its sentence.
    #[must_use]
    pub const fn sentence(self) -> &'static str {
        match self {
            Self::WontStart => "symptom-wont-start",
            Self::Binds => "symptom-binds",
            Self::Crooked => "symptom-crooked",
            Self::Loose => "symptom-loose",
            Self::Torn => "symptom-torn",
            Self::Chatter => "symptom-chatter",
            Self::Tapered => "symptom-tapered",
            Self::DoubleGroove => "symptom-double-groove",
            Self::WrongPitch => "symptom-wrong-pitch",
            Self::WrongHand => "symptom-wrong-hand",
            Self::WiresYesNutNo => "symptom-wires-yes-nut-no",
            Self::NothingMeasures => "symptom-nothing-measures",
            Self::TipBroken => "symptom-tip-broken",
            Self::RanIn => "symptom-ran-in",
            Self::Slipped => "symptom-slipped",
            Self::NutOpened => "symptom-nut-opened",
        }
    }
}
