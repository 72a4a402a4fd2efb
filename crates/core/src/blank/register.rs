//! The register at the mouth: a plain part that the mate's plain part runs in or on before the threads meet.

use super::rules;
use crate::job::{RegisterFacts, RegisterFit};
use crate::say;

use crate::thread::Side;
use crate::watch::{Code, Level, Watch};
use crate::working::{Quantity, Rule, Worksheet};
use serde::Serialize;

impl RegisterFit {
    const fn rule(self) -> &'static Rule {
        match self {
            Self::Close => &rules::FIT_CLOSE,
            Self::Running => &rules::FIT_RUNNING,
            Self::Easy => &rules::FIT_EASY,
        }
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
    /// Between them: what a bit that just touches it reads across the roots, until it is measured.
    pub middle_mm: Quantity,
    /// How deep it goes.
    pub depth_mm: Quantity,
    /// What to turn or bore.
    pub says: String,
}

/// Works it. A register that reaches past the root this tip leaves would be marked by the bit, and is warned of.
pub(super) fn reckon(sheet: &mut Worksheet, facts: RegisterFacts, side: Side, root: f64, watch: &mut Vec<Watch>) -> Register {
    let voice = sheet.voice();
    let mate = facts.mate_plain_mm.into();
    let least = sheet.apply(facts.fit.rule(), [mate]);
    let tolerance = sheet.apply(&rules::TOLERANCE_SEVEN, [mate]);
    let (rule, near, far) = match side {
        Side::Internal => (&rules::REGISTER_BORE, 0.0.into(), tolerance),
        Side::External => (&rules::REGISTER_SPIGOT, tolerance, 0.0.into()),
    };
    let (min, max) = (sheet.apply(rule, [mate, least, near]), sheet.apply(rule, [mate, least, far]));
    let clear = match side {
        Side::Internal => min.value >= root - 1e-6,
        Side::External => max.value <= root + 1e-6,
    };
    if !clear {
        let root = voice.length(root);
        let text = match side {
            Side::Internal => say!(voice, "blank-register-inside", max = voice.length(max.value), root = root),
            Side::External => say!(voice, "blank-register-marked", min = voice.length(min.value), root = root),
        };
        watch.push(Watch::new(Level::Note, Code::RegisterMarked, "blank", text));
    }
    let says = say!(
        voice,
        "blank-register",
        side = if side == Side::Internal { "inside" } else { "outside" },
        min = voice.length(min.value),
        max = voice.length(max.value),
        deep = voice.length(facts.depth_mm)
    );
    Register {
        fit: facts.fit,
        min_mm: Quantity::length(voice, min),
        max_mm: Quantity::length(voice, max),
        middle_mm: Quantity::length(voice, f64::midpoint(min.value, max.value)),
        depth_mm: Quantity::length(voice, facts.depth_mm),
        says,
    }
}
