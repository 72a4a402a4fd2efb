//! Holding: how slender the work is, and what that asks for.

use super::rules;
use crate::job::BlankFacts;
use crate::quantity::{mm_text, plain_text};
use crate::thread::Side;
use crate::thread::section::Thread;
use crate::watch::{Level, Watch};
use crate::working::{Num, Quantity, Sheet};
use serde::{Deserialize, Serialize};

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

/// How slender the work is.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Slenderness {
    /// Stick-out over diameter.
    pub ratio: Quantity,
    /// How it is held at the far end.
    pub support: Support,
    /// How far it bends under a nominal cutting force; absent with a steady beside the cut.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub bends_mm: Option<Quantity>,
    /// What to do about it.
    pub says: String,
}

/// Cutting force the bending is shown for, N. House value: about a first pass in mild steel.
const FORCE_N: f64 = 200.0;
/// Stick-out over diameter past which each support asks for the next.
const ASKS: [(Support, f64, &str); 2] = [(Support::None, 3.0, "bring up the tailstock"), (Support::Centre, 8.0, "set a steady")];

/// Works the slenderness of a screw; a bore is held by its wall.
pub(super) fn slenderness(sheet: &mut Sheet, facts: &BlankFacts, thread: &Thread, used: Num, watch: &mut Vec<Watch>) -> Option<Slenderness> {
    if thread.spec.side == Side::Internal {
        return None;
    }
    let length = Num::from(facts.stick_out_mm.unwrap_or(thread.length));
    let ratio = sheet.work(&rules::SLENDER, [length, used]);
    let modulus = Num::from(facts.material.modulus_gpa * 1000.0);
    let bends = match facts.support {
        Support::None => Some(sheet.work(&rules::BEND_FREE, [FORCE_N.into(), length, modulus, used])),
        Support::Centre => Some(sheet.work(&rules::BEND_CENTRE, [FORCE_N.into(), length, modulus, used])),
        Support::Steady => None,
    };
    // Past what is shown: 3.0 is not past 3.
    let asks = ASKS.iter().find(|(support, past, _)| *support == facts.support && ratio.value > *past + 0.05);
    let bent = bends.map_or_else(String::new, |b| format!("; {} N would bend it {}", plain_text(FORCE_N, 0), mm_text(b.value)));
    let says = match asks {
        Some((_, past, do_this)) => {
            let text = format!("It stands out {} diameters, past {past}{bent}: {do_this}.", plain_text(ratio.value, 1));
            watch.push(Watch::new(Level::Warn, "stickout", "blank", text.clone()));
            text
        }
        None => format!("It stands out {} diameters{bent}.", plain_text(ratio.value, 1)),
    };
    Some(Slenderness { ratio: Quantity::plain(ratio, 1, " diameters"), support: facts.support, bends_mm: bends.map(Quantity::length), says })
}
