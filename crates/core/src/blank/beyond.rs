//! What stands beyond an end where nothing is turned for the bit to stop or start in.

use super::end::CutEnd;
use super::reach::Reach;
use super::{relief, rules};
use crate::job::{BlankFacts, EndKind};
use crate::quantity::ABOUT_MM;
use crate::say;
use crate::thread::Side;
use crate::thread::form::Thread;
use crate::watch::{Code, Level, Watch};
use crate::working::{Num, Quantity, Worksheet};
use serde::Serialize;

/// What stands beyond an open end toward the headstock: as told, else the jaws of a bar whose stick-out is. Neither is guessed.
#[derive(Debug, Clone, Copy)]
struct Stands {
    /// From the end of the thread, mm; less than nought where the thread runs past it.
    gap: f64,
    /// Whether it is the jaw face, by the stick-out.
    jaws: bool,
}

fn stands(facts: &BlankFacts, thread: &Thread) -> Option<Stands> {
    let jaws = facts.stick_out_mm.filter(|_| thread.spec.side == Side::External).map(|out| Stands { gap: out - thread.length, jaws: true });
    facts.beyond_mm.map(|gap| Stands { gap, jaws: false }).or(jaws)
}

/// Room the carriage has to stop in past an open end, where what stands there is known.
pub(crate) fn room(sheet: &mut Worksheet, facts: &BlankFacts, thread: &Thread, reach: &Reach) -> Option<Num> {
    stands(facts, thread).map(|s| relief::room(sheet, reach, s.gap))
}

/// The room beyond an open end toward the headstock.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Beyond {
    /// From the end of the thread to what stands there; absent where it is not known.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub gap_mm: Option<Quantity>,
    /// What is needed there.
    pub needs_mm: Quantity,
    /// Whether what stands there is the jaw face, by the stick-out.
    pub jaws: bool,
    /// Why it does not serve; absent when it does, or is not known.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub refused: Option<String>,
    /// In one sentence.
    pub says: String,
}

/// Judges the room beyond an open end, or one where the thread is withdrawn.
pub(super) fn reckon(
    sheet: &mut Worksheet,
    facts: &BlankFacts,
    thread: &Thread,
    reach: &Reach,
    (end, cut_end): (EndKind, CutEnd),
    watch: &mut Vec<Watch>,
) -> Beyond {
    let voice = sheet.voice();
    let needs = match (end, cut_end) {
        // A thread that begins there cannot fade in: what a groove to start in takes is asked for.
        (EndKind::Withdraw, CutEnd::StopsIn(_)) => sheet.apply(&rules::WITHDRAWN_NEEDS, [reach.ahead]),
        (_, CutEnd::StopsIn(distance) | CutEnd::StartsIn(distance)) => sheet.apply(&rules::OPEN_NEEDS, [reach.half, reach.ahead, distance]),
    };
    let takes = match (end, cut_end) {
        (EndKind::Withdraw, CutEnd::StopsIn(_)) => "withdrawn",
        (_, CutEnd::StopsIn(_)) => "stops",
        (_, CutEnd::StartsIn(_)) => "starts",
    };
    let need = voice.least(needs.value);
    let stands = stands(facts, thread);
    let (says, short) = match stands {
        Some(Stands { gap, jaws }) => {
            let (what, off) = (if jaws { "jaws" } else { "other" }, voice.about(gap.abs()));
            let says = if gap.abs() < ABOUT_MM {
                say!(voice, "blank-beyond-at", what = what, takes = takes, need = need)
            } else if gap < 0.0 {
                say!(voice, "blank-beyond-short", what = what, off = off, takes = takes, need = need)
            } else {
                say!(voice, "blank-beyond-past", what = what, off = off, takes = takes, need = need)
            };
            (says, gap < needs.value - 1e-6)
        }
        None => {
            let side = if thread.spec.side == Side::Internal { "inside" } else { "outside" };
            (say!(voice, "blank-beyond-untold", side = side, takes = takes, need = need), false)
        }
    };
    if short {
        watch.push(Watch::new(Level::Danger, Code::EndRoom, "blank", says.clone()));
    }
    Beyond {
        gap_mm: stands.map(|s| Quantity::given(voice, s.gap)),
        needs_mm: Quantity::least(voice, needs),
        jaws: stands.is_some_and(|s| s.jaws),
        refused: short.then(|| says.clone()),
        says,
    }
}
