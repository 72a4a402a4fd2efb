//! Which way spindle, carriage and bit go: what everything from the gears on must agree with.

use serde::{Deserialize, Serialize};

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

/// Spindle direction.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Spindle {
    /// Top of the work toward the operator.
    Forward,
    /// Top of the work away.
    Reversed,
}

/// Carriage direction.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Carriage {
    /// Toward the headstock.
    TowardHeadstock,
    /// Away from the headstock.
    AwayFromHeadstock,
}

impl Carriage {
    /// The case of it that sentences have: as seen from the headstock.
    #[must_use]
    pub const fn word(self) -> &'static str {
        match self {
            Self::TowardHeadstock => "toward",
            Self::AwayFromHeadstock => "away",
        }
    }
}

/// The wall of a bore that is cut.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Wall {
    /// The operator's side.
    Near,
    /// The side away.
    Far,
}

/// What the gears must deliver.
#[derive(Debug, Clone, Copy)]
pub struct Direction {
    /// Spindle direction.
    pub spindle: Spindle,
    /// Carriage direction.
    pub carriage: Carriage,
    /// The hand that is cut.
    pub hand_cut: Hand,
    /// Whether the leadscrew turns in the spindle's sense.
    pub screw_with_spindle: bool,
    /// The wall cut in a bore.
    pub wall: Option<Wall>,
    /// Whether the bit stands right way up.
    pub upright: bool,
    /// Whether the bit is fed in away from the operator.
    pub infeed_away: bool,
}

/// The end of the lathe a wall of the groove faces.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Faces {
    /// The headstock.
    Headstock,
    /// The tailstock.
    Tailstock,
}

impl Faces {
    /// As it is said.
    #[must_use]
    pub const fn word(self) -> &'static str {
        match self {
            Self::Headstock => "headstock",
            Self::Tailstock => "tailstock",
        }
    }
}
