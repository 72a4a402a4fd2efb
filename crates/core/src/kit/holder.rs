//! What holds and turns the work, and what makes holes and threads without the leadscrew: dogs, centres, steadies, collets, reamers, taps
//! and dies.

use super::instrument::{marked, of_thread};
use crate::faults::Checker;
use crate::thread::{Side, ThreadSpec};
use serde::{Deserialize, Serialize};

/// What kind of holder it is.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum HolderKind {
    /// A driving dog.
    Dog,
    /// A centre that stands still.
    DeadCentre,
    /// A dead centre cut away, so that a tool gets past it.
    HalfCentre,
    /// A centre that turns with the work.
    LiveCentre,
    /// A steady on the bed.
    FixedSteady,
    /// A steady on the carriage.
    TravellingSteady,
    /// A collet, or a set of them.
    Collet,
    /// An arbor or mandrel.
    Arbor,
}

/// Something that holds the work.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct OwnedHolder {
    /// What it is.
    pub kind: HolderKind,
    /// Least it holds, mm; of a centre, absent.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub from_mm: Option<f64>,
    /// Most it holds, mm.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub to_mm: Option<f64>,
    /// Whether somebody else has it now.
    #[serde(default, skip_serializing_if = "std::ops::Not::not")]
    pub lent: bool,
}

impl OwnedHolder {
    /// Whether it is here and holds work of this diameter, mm.
    #[must_use]
    pub fn holds(&self, kind: HolderKind, diameter: f64) -> bool {
        self.kind == kind && !self.lent && self.from_mm.is_none_or(|f| f <= diameter + 1e-6) && self.to_mm.is_none_or(|t| diameter <= t + 1e-6)
    }
}

/// A reamer, or an adjustable one.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct OwnedReamer {
    /// Its size, or the least it is set to, mm.
    pub from_mm: f64,
    /// The most it is set to, mm; its size, where it is not adjustable.
    pub to_mm: f64,
    /// Whether somebody else has it now.
    #[serde(default, skip_serializing_if = "std::ops::Not::not")]
    pub lent: bool,
}

/// What a tap or die is.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum ChaserKind {
    /// A tap with a lead of seven to ten threads.
    TaperTap,
    /// A tap with a lead of three to five threads.
    SecondTap,
    /// A tap with a lead of one or two threads.
    BottomingTap,
    /// A die that is not adjusted.
    Die,
    /// A split die, opened and closed by its screws.
    SplitDie,
    /// A hexagon die nut, for cleaning up.
    DieNut,
}

impl ChaserKind {
    /// The member it cuts.
    #[must_use]
    pub const fn cuts(self) -> Side {
        match self {
            Self::TaperTap | Self::SecondTap | Self::BottomingTap => Side::Internal,
            Self::Die | Self::SplitDie | Self::DieNut => Side::External,
        }
    }
}

/// A tap or a die.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct OwnedChaser {
    /// What is marked on it: `M20x2.5`, `1/4-20 UNC LH`.
    pub thread: String,
    /// What it is.
    pub kind: ChaserKind,
    /// Whether it is worn: it takes twice the torque, and cuts small.
    #[serde(default, skip_serializing_if = "std::ops::Not::not")]
    pub worn: bool,
    /// Whether somebody else has it now.
    #[serde(default, skip_serializing_if = "std::ops::Not::not")]
    pub lent: bool,
}

impl OwnedChaser {
    /// Whether it is here and cuts this thread.
    #[must_use]
    pub fn cuts(&self, thread: &ThreadSpec) -> bool {
        !self.lent && self.kind.cuts() == thread.side && of_thread(&self.thread, thread).is_some()
    }
}

/// Checks holders, reamers, taps and dies, of each the first so many.
pub(super) fn check(kit: &super::Kit, most: usize, c: &mut Checker) {
    for (i, one) in kit.holders.iter().enumerate().take(most) {
        let at = |field: &str| format!("/kit/holders/{i}/{field}");
        c.sound(one.from_mm, 0.0, 2000.0, &at("from_mm"), "mm");
        c.sound(one.to_mm, one.from_mm.filter(|f| f.is_finite()).unwrap_or(0.0), 2000.0, &at("to_mm"), "mm, not less than the least it holds");
    }
    for (i, one) in kit.reamers.iter().enumerate().take(most) {
        let at = |field: &str| format!("/kit/reamers/{i}/{field}");
        let from = c.within(one.from_mm, 0.1, 200.0, &at("from_mm"), "mm");
        c.within(one.to_mm, if from { one.from_mm } else { 0.1 }, 200.0, &at("to_mm"), "mm, not less than the least it is set to");
    }
    for (i, one) in kit.chasers.iter().enumerate().take(most) {
        marked(&one.thread, &format!("/kit/chasers/{i}/thread"), c);
    }
}
