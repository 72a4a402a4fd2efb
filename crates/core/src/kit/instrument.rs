//! What measures and proves: micrometers, plugs and rings, indicators.

use super::list::Names;
use crate::faults::Checker;
use crate::quantity::real;
use crate::says::Spoken;
use crate::sentence;
use crate::thread::callout::{self, CalloutFault};
use crate::thread::{Side, ThreadSpec};
use serde::{Deserialize, Serialize};

/// What a micrometer measures.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum MicrometerKind {
    /// Outside sizes, and sizes over wires.
    #[default]
    Outside,
    /// The pitch diameter of a screw, on a cone and a vee.
    Thread,
    /// The pitch diameter of a bore, on two ball or vee points.
    InsideThread,
    /// Plain bores.
    Inside,
}

/// A micrometer in the drawer.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct OwnedMicrometer {
    /// What it is called.
    pub name: String,
    /// What it measures.
    #[serde(default)]
    pub kind: MicrometerKind,
    /// Least it reads, mm.
    pub from_mm: f64,
    /// Most it reads, mm.
    pub to_mm: f64,
    /// What it reads with nothing between its anvils, mm: taken off every reading.
    #[serde(default)]
    pub zero_mm: f64,
    /// How far repeated readings of one size spread, mm.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub spread_mm: Option<f64>,
    /// Whether somebody else has it now.
    #[serde(default, skip_serializing_if = "std::ops::Not::not")]
    pub lent: bool,
}

/// What a screwed gauge is.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum ScrewGaugeKind {
    /// A plug with a go end and a not-go end.
    Plug,
    /// A plug that must go.
    GoPlug,
    /// A plug that must not.
    NotGoPlug,
    /// A pair of rings, one that must go and one that must not.
    Ring,
    /// A ring that must go.
    GoRing,
    /// A ring that must not.
    NotGoRing,
}

impl ScrewGaugeKind {
    /// The member it is tried in or on.
    #[must_use]
    pub const fn tries(self) -> Side {
        match self {
            Self::Plug | Self::GoPlug | Self::NotGoPlug => Side::Internal,
            Self::Ring | Self::GoRing | Self::NotGoRing => Side::External,
        }
    }

    /// What it can show: that the size has been reached, that it was not passed.
    #[must_use]
    pub const fn shows(self) -> [bool; 2] {
        match self {
            Self::Plug | Self::Ring => [true, true],
            Self::GoPlug | Self::GoRing => [true, false],
            Self::NotGoPlug | Self::NotGoRing => [false, true],
        }
    }
}

/// A plug or ring gauge in the drawer.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct OwnedScrewGauge {
    /// What is marked on it: `M20x2.5-6H`, `3/4-10 UNC-2A`.
    pub thread: String,
    /// What it is.
    pub kind: ScrewGaugeKind,
    /// Whether somebody else has it now.
    #[serde(default, skip_serializing_if = "std::ops::Not::not")]
    pub lent: bool,
}

/// An indicator in the drawer.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct OwnedIndicator {
    /// What it is called.
    pub name: String,
    /// Whether it is a lever's, which swings a few tenths, and not a plunger's.
    #[serde(default, skip_serializing_if = "std::ops::Not::not")]
    pub lever: bool,
    /// How far it goes, mm.
    pub range_mm: f64,
    /// One division, mm.
    pub graduation_mm: f64,
    /// What it reads at nought, mm: taken off every reading.
    #[serde(default)]
    pub zero_mm: f64,
    /// How far repeated readings of one place spread, mm.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub spread_mm: Option<f64>,
    /// Whether somebody else has it now.
    #[serde(default, skip_serializing_if = "std::ops::Not::not")]
    pub lent: bool,
}

/// A thread by what is marked on a tap, a die or a gauge; the fault names what does not read.
pub(super) fn marked(text: &str, at: &str, c: &mut Checker) {
    if let Err(CalloutFault { missing, near }) = callout::read(text) {
        let near = if near.is_empty() { String::new() } else { near.join(", ") };
        let some = if near.is_empty() { "no" } else { "yes" };
        let why = missing.spoken(c.voice);
        c.fault(at, sentence!("kit-thread-unread", why = why, some = some, near = near));
    }
}

/// Whether what is marked is this thread: size, pitch, starts and hand.
pub(super) fn of_thread(text: &str, thread: &ThreadSpec) -> Option<ThreadSpec> {
    let own = callout::read(text).ok()?;
    let same = own.system == thread.system && own.starts == thread.starts && own.hand == thread.hand;
    // An inch size and a metric one may be written to another last place.
    let near = (real(&own.major) - real(&thread.major)).abs() < 5e-4 && (real(&own.pitch) - real(&thread.pitch)).abs() < 5e-6;
    (same && near).then_some(own)
}

impl OwnedScrewGauge {
    /// Whether it tries this thread, in its class.
    #[must_use]
    pub fn tries(&self, thread: &ThreadSpec) -> bool {
        !self.lent && self.kind.tries() == thread.side && of_thread(&self.thread, thread).is_some_and(|own| !own.class_given || own.class == thread.class)
    }
}

/// Checks micrometers, gauges and indicators, of each the first so many.
pub(super) fn check<'a>(kit: &'a super::Kit, most: usize, names: &mut Names<'a>, c: &mut Checker) {
    for (i, one) in kit.micrometers.iter().enumerate().take(most) {
        let at = |field: &str| format!("/kit/micrometers/{i}/{field}");
        names.take(&one.name, &at("name"), c);
        c.within(one.from_mm, 0.0, 2000.0, &at("from_mm"), "mm");
        c.within(one.to_mm, one.from_mm.max(0.0) + 1.0, 2000.0, &at("to_mm"), "mm, past the least it reads");
        c.within(one.zero_mm, -1.0, 1.0, &at("zero_mm"), "mm");
        c.sound(one.spread_mm, 0.0, 0.5, &at("spread_mm"), "mm");
    }
    for (i, one) in kit.indicators.iter().enumerate().take(most) {
        let at = |field: &str| format!("/kit/indicators/{i}/{field}");
        names.take(&one.name, &at("name"), c);
        c.within(one.range_mm, 0.05, 200.0, &at("range_mm"), "mm");
        c.within(one.graduation_mm, 0.0005, 0.5, &at("graduation_mm"), "mm");
        c.within(one.zero_mm, -1.0, 1.0, &at("zero_mm"), "mm");
        c.sound(one.spread_mm, 0.0, 0.5, &at("spread_mm"), "mm");
    }
    for (i, one) in kit.gauges.iter().enumerate().take(most) {
        marked(&one.thread, &format!("/kit/gauges/{i}/thread"), c);
    }
}
