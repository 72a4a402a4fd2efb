//! What a request may choose between, as it names it.

use serde::{Deserialize, Serialize};

/// How the bit is held to the wheel.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Grinder {
    /// In the hands alone.
    Freehand,
    /// In the hands, steadied on a level rest.
    #[default]
    Rest,
    /// On a rest tilted to the relief.
    TiltedRest,
    /// In the swivelling vice of a tool-and-cutter grinder.
    CutterGrinder,
}

/// Where in its limits a blank or bore is aimed.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum BlankAim {
    /// A quarter of the way up: soft stock raises its crests.
    Low,
    /// The middle.
    Middle,
    /// A quarter of the way down.
    High,
}

/// How the thread ends.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum EndKind {
    /// Into a turned relief.
    Relief,
    /// Into a ring plunged by the threading bit itself.
    PlungedRing,
    /// Withdrawn at a mark while the work turns.
    Withdraw,
    /// Into a drilled pocket.
    DrilledPocket,
    /// Out into the open.
    Open,
}

impl EndKind {
    /// The usual one: a shoulder asks for a relief, none for the open.
    pub(crate) const fn usual(shoulder: bool) -> Self {
        if shoulder { Self::Relief } else { Self::Open }
    }

    /// The gap it leaves, as sentences tell them apart.
    pub(crate) const fn gap(self) -> &'static str {
        match self {
            Self::PlungedRing => "ring",
            Self::DrilledPocket => "pocket",
            _ => "relief",
        }
    }
}

/// What holds the far end.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Support {
    /// Nothing.
    None,
    /// A centre in the tailstock.
    Centre,
    /// A steady, fixed or travelling, and a centre.
    Steady,
}

/// How the work is held at the headstock end.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Holding {
    /// In a three-jaw chuck.
    ThreeJaw,
    /// In a four-jaw chuck, each jaw by itself.
    FourJaw,
    /// In a collet.
    Collet,
    /// Between centres, driven by a dog.
    Centres,
    /// On an arbor between centres.
    Arbor,
    /// On a faceplate.
    Faceplate,
    /// By a thread already finished, in a split nut or a tapped bush.
    ByItsThread,
}

/// How the depth is shared out among the passes.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum DepthLaw {
    /// Every pass takes the same area.
    #[default]
    ConstantArea,
    /// Every pass goes the same deeper.
    ConstantDepth,
}

/// A pass whose depth was set by hand.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct OwnRow {
    /// Its number.
    pub n: u32,
    /// Radial depth from touch, mm.
    pub radial_mm: f64,
}

/// What the depth is read on.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum ReadBy {
    /// The slide's own dial.
    #[default]
    Dial,
    /// A plunger indicator against the slide.
    Indicator,
    /// A digital readout.
    Readout,
}

impl ReadBy {
    // Plans frozen before there was a choice were read by the dial; serde wants a reference.
    #[allow(clippy::trivially_copy_pass_by_ref)]
    pub(crate) fn is_dial(&self) -> bool {
        *self == Self::Dial
    }
}

/// Infeed styles.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Style {
    /// Straight in by the cross-slide.
    Radial,
    /// Along the flank by the compound.
    Flank,
    /// By the compound, half a degree off the flank.
    ModifiedFlank,
    /// Straight in, stepped to one side and the other by the compound along the bed, so that each pass cuts on one flank.
    Alternating,
    /// Straight in with a narrower stocking tool, then with the form tool.
    StockingThenForm,
}

impl Style {
    /// Whether the compound, slanted, carries the depth.
    #[must_use]
    pub const fn slants(self) -> bool {
        matches!(self, Self::Flank | Self::ModifiedFlank)
    }
}

/// Which way the carriage goes.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Way {
    /// As suits the hand.
    Auto,
    /// Toward the headstock.
    Toward,
    /// Away from the headstock.
    Away,
}

/// How each pass ends.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Ending {
    /// As the dial allows.
    Auto,
    /// Half-nut opened, closed by the dial.
    Dial,
    /// Half-nut kept closed, spindle reversed.
    Closed,
    /// Half-nut opened at the end, spindle stopped and reversed, closed on the same mark before the
    /// dial has gone once round: for trains the dial cannot serve.
    SameMark,
    /// Spindle turned by hand.
    Hand,
    /// No dial: carriage back to a fixed stop, chalk marks on spindle and leadscrew.
    ChalkMarks,
}
