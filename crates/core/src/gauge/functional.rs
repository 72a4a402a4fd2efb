//! Functional size: what a mate feels of a thread beside its pitch diameter, and whether it will go.

use super::rules;
use crate::quantity::SHOWN_MM;
use crate::say;
use crate::thread::Side;
use crate::thread::form::Thread;
use crate::watch::{Code, Level, Watch};
use crate::working::{Num, Quantity, Worksheet};
use serde::Serialize;

/// What a mate of this length feels.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Functional {
    /// Of the lead's error over the nut, as pitch diameter.
    pub lead_mm: Quantity,
    /// Of the flanks of the bit as ground.
    pub flanks_mm: Quantity,
    /// The size a mate feels at the size aimed at.
    pub size_mm: Quantity,
    /// Clearance left with the mate: as made, else at its tightest limit. Under nought it is tight.
    pub clearance_mm: Quantity,
    /// Where to aim instead, in the limits, where it is tight.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub aim_mm: Option<Quantity>,
    /// In words, before anything is tried.
    pub says: String,
}

/// The least that any gauge or hand feels, mm.
const FELT_MM: f64 = 1e-3;

/// Works it; nothing where neither lead nor flanks are off and the mate goes.
pub(crate) fn reckon(
    sheet: &mut Worksheet,
    thread: &Thread,
    (lead, flanks): (Num, Num),
    target: Num,
    made_mm: Option<f64>,
    watch: &mut Vec<Watch>,
) -> Option<Functional> {
    let voice = sheet.voice();
    let screw = thread.spec.side == Side::External;
    let (tight, turn) = if screw { (thread.mate.pitch.0, 1.0) } else { (thread.mate.pitch.1, -1.0) };
    let mate = made_mm.map_or(tight, Num::from);
    let taken = lead.value + flanks.value;
    let plain = turn * (mate.value - target.value);
    if taken < FELT_MM && plain >= -SHOWN_MM {
        return None;
    }
    let size = sheet.apply(if screw { &rules::FUNCTIONAL_SCREW } else { &rules::FUNCTIONAL_BORE }, [target, lead, flanks]);
    let clearance = if screw { sheet.apply(&rules::LEFT, [mate, size]) } else { sheet.apply(&rules::LEFT, [size, mate]) };
    let other = if screw { "nut" } else { "screw" };
    let is = if made_mm.is_some() { "made" } else { "tightest" };
    let [lead_text, flanks_text] = [lead, flanks].map(|n| voice.micro(n.value));
    let length = voice.along(thread.engagement);
    let says = if clearance.value < -SHOWN_MM {
        let by = voice.length(-clearance.value);
        say!(voice, "mate-tight", other = other, length = length, is = is, clearance = by, lead = lead_text, flanks = flanks_text)
    } else {
        let left = voice.length(clearance.value.max(0.0));
        say!(voice, "mate-has-left", other = other, length = length, is = is, left = left, lead = lead_text, flanks = flanks_text)
    };
    let (low, high) = (thread.own.pitch.0.value, thread.own.pitch.1.value);
    let aim = Some(target.value + turn * clearance.value).filter(|aim| clearance.value < -SHOWN_MM && *aim >= low - 1e-9 && *aim <= high + 1e-9);
    if clearance.value < -SHOWN_MM {
        let cure = aim.map_or_else(|| say!(voice, "mate-no-size"), |aim| say!(voice, "mate-aim-instead", aim = voice.length(aim)));
        watch.push(Watch::new(Level::Warn, Code::MateTight, "gauge", format!("{says} {cure}")));
    }
    Some(Functional {
        lead_mm: Quantity::length(voice, lead),
        flanks_mm: Quantity::length(voice, flanks),
        size_mm: Quantity::length(voice, size),
        clearance_mm: Quantity::length(voice, clearance),
        aim_mm: aim.map(|v| Quantity::length(voice, v)),
        says,
    })
}
