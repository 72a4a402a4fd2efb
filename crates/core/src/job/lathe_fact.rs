//! Facts of a lathe that what is planned stands on.

/// A fact of a lathe that a line of the check stands on.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum LatheFact {
    /// The leadscrew.
    Screw,
    /// The gears owned.
    Gears,
    /// The thread dial.
    Dial,
    /// Unit, division and turn of the cross-slide's dial.
    CrossSlide,
    /// Whether it reads the radius or the diameter.
    CrossSlideReads,
    /// Unit, division and turn of the compound's dial.
    Compound,
    /// The spindle's speeds.
    Speeds,
    /// How the chuck is held.
    Chuck,
    /// Whether the spindle reverses.
    Reverses,
    /// How far the spindle coasts.
    Coast,
    /// Whether a half-nut takes hold of the screw.
    HalfNut,
    /// What turns the spindle.
    Drive,
    /// Where the tool post stands.
    Post,
}

impl LatheFact {
    /// All of them, in the order a lathe is told in.
    pub const ALL: [Self; 13] = [
        Self::Screw,
        Self::Gears,
        Self::Dial,
        Self::CrossSlide,
        Self::CrossSlideReads,
        Self::Compound,
        Self::Speeds,
        Self::Chuck,
        Self::Reverses,
        Self::Coast,
        Self::HalfNut,
        Self::Drive,
        Self::Post,
    ];

    /// Where it stands in a lathe: the end of its pointer.
    #[must_use]
    pub fn field(self) -> &'static str {
        match self {
            Self::Screw => "leadscrew",
            Self::Gears => "gears",
            Self::Dial => "dial",
            Self::CrossSlide => "cross_slide",
            Self::CrossSlideReads => "cross_slide/reads",
            Self::Compound => "compound",
            Self::Speeds => "speeds_rpm",
            Self::Chuck => "spindle/chuck",
            Self::Reverses => "spindle/reverses",
            Self::Coast => "spindle/coast_turns",
            Self::HalfNut => "half_nut",
            Self::Drive => "drive",
            Self::Post => "post",
        }
    }

    /// As it is told apart in a sentence.
    #[must_use]
    pub fn name(self) -> &'static str {
        self.field().rsplit('/').next().unwrap_or_default()
    }
}
