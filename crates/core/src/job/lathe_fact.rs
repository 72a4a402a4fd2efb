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
}

impl LatheFact {
    /// All of them, in the order a lathe is told in.
    pub const ALL: [Self; 10] =
        [Self::Screw, Self::Gears, Self::Dial, Self::CrossSlide, Self::CrossSlideReads, Self::Compound, Self::Speeds, Self::Chuck, Self::Reverses, Self::Coast];

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
        }
    }

    /// As it is told apart in a sentence.
    #[must_use]
    pub fn name(self) -> &'static str {
        self.field().rsplit('/').next().unwrap_or_default()
    }
}
