//! The register at the mouth: a plain part that the mate's plain part runs in or on before the threads meet.

use super::rules;
use crate::job::Checker;
use crate::quantity::mm_text;
use crate::thread::Side;
use crate::thread::section::Thread;
use crate::watch::{Level, Watch};
use crate::working::{Quantity, Rule, Sheet};
use serde::{Deserialize, Serialize};

/// How freely a register fits.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum RegisterFit {
    /// Located without shake.
    #[default]
    Close,
    /// Turns freely.
    Running,
    /// Goes together in dirt and grease.
    Easy,
}

impl RegisterFit {
    const fn rule(self) -> &'static Rule {
        match self {
            Self::Close => &rules::FIT_CLOSE,
            Self::Running => &rules::FIT_RUNNING,
            Self::Easy => &rules::FIT_EASY,
        }
    }
}

/// A register as asked for.
#[derive(Debug, Clone, Default, PartialEq, Serialize, Deserialize)]
#[serde(default, deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct RegisterRequest {
    /// The mate's plain part as measured: its shank for a bore, its plain bore for a screw.
    pub mate_plain_mm: Option<f64>,
    /// How freely it is to fit; close when absent.
    pub fit: Option<RegisterFit>,
    /// How deep it goes; half the nominal diameter when absent.
    pub depth_mm: Option<f64>,
}

/// A register, settled.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct RegisterFacts {
    /// The mate's plain part, mm.
    pub mate_plain_mm: f64,
    /// How freely it fits.
    pub fit: RegisterFit,
    /// Its depth, mm.
    pub depth_mm: f64,
}

impl RegisterRequest {
    /// Settles it for a thread of this nominal diameter.
    pub(crate) fn check(&self, major: f64, c: &mut Checker) -> Option<RegisterFacts> {
        let place = "/blank/register/mate_plain_mm";
        if self.mate_plain_mm.is_none() {
            c.fault(place, "a register fits the mate's plain part: give its measured diameter");
        }
        let mate_plain_mm = c.sound(self.mate_plain_mm, major * 0.3, major * 3.0, place, "mm for this thread");
        let depth = c.sound(self.depth_mm, 0.5, 1000.0, "/blank/register/depth_mm", "mm");
        Some(RegisterFacts { mate_plain_mm: mate_plain_mm?, fit: self.fit.unwrap_or_default(), depth_mm: depth.unwrap_or(major / 2.0) })
    }
}

/// The register.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Register {
    /// How freely it fits.
    pub fit: RegisterFit,
    /// Lower limit.
    pub min_mm: Quantity,
    /// Upper limit.
    pub max_mm: Quantity,
    /// How deep it goes.
    pub depth_mm: Quantity,
    /// What to turn or bore.
    pub says: String,
}

/// Works it. A register the bit would mark is warned of.
pub(super) fn work(sheet: &mut Sheet, facts: RegisterFacts, thread: &Thread, watch: &mut Vec<Watch>) -> Register {
    let mate = facts.mate_plain_mm.into();
    let least = sheet.work(facts.fit.rule(), [mate]);
    let tolerance = sheet.work(&rules::TOLERANCE_SEVEN, [mate]);
    let (rule, near, far) = match thread.spec.side {
        Side::Internal => (&rules::REGISTER_BORE, 0.0.into(), tolerance),
        Side::External => (&rules::REGISTER_SPIGOT, tolerance, 0.0.into()),
    };
    let (min, max) = (sheet.work(rule, [mate, least, near]), sheet.work(rule, [mate, least, far]));
    let clear = match thread.spec.side {
        Side::Internal => min.value >= thread.own.major.0.unwrap_or(thread.major).value - 1e-6,
        Side::External => max.value <= thread.own.minor.1.unwrap_or(thread.basic.minor).value + 1e-6,
    };
    if !clear {
        let text = match thread.spec.side {
            Side::Internal => format!(
                "The register, {}, lies inside the thread: its crests are left in it. Bore it after the thread, or seat the mate on a larger part.",
                mm_text(max.value)
            ),
            Side::External => format!(
                "The register, {}, stands in the thread's depth: the bit marks it. Turn it after the thread, or smaller than the root.",
                mm_text(min.value)
            ),
        };
        watch.push(Watch::new(Level::Note, "register_marked", "blank", text));
    }
    let says = format!(
        "{} it {} to {}, {} deep.",
        if thread.spec.side == Side::Internal { "Bore" } else { "Turn" },
        mm_text(min.value),
        mm_text(max.value),
        mm_text(facts.depth_mm)
    );
    Register { fit: facts.fit, min_mm: Quantity::length(min), max_mm: Quantity::length(max), depth_mm: Quantity::length(facts.depth_mm), says }
}
