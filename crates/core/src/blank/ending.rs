//! How the thread ends: the schools, what usable thread each leaves, whether the mate seats, and the mark to
//! work to where the end cannot be seen.

use super::beyond::Beyond;
use super::end::{CutEnd, MARGIN_MM};
use super::reach::Reach;
use super::{relief, rules};
use crate::job::EndKind;
use crate::quantity::ABOUT_MM;
use crate::say;
use crate::thread::Side;
use crate::thread::form::Thread;
use crate::voice::Voice;
use crate::watch::{Code, Level, Watch};
use crate::working::{Num, Quantity, Worksheet};
use serde::Serialize;

/// One school and what comes of it here.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct EndingView {
    /// Which.
    pub end: EndKind,
    /// As it is said.
    pub says: String,
    /// Full thread it leaves.
    pub usable_mm: Quantity,
    /// Whether the mate seats against the shoulder.
    pub seats: bool,
    /// What comes of it.
    pub consequence: String,
    /// Whether it is the one followed.
    pub chosen: bool,
    /// Whether it is the one recommended.
    pub recommended: bool,
}

impl EndingView {
    /// Whether it leaves as much full thread as `least`, mm: a pitch of it is asked for.
    #[must_use]
    pub fn leaves(&self, least: f64) -> bool {
        self.usable_mm.value >= least - 1e-9
    }
}

/// The mark to work to.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Mark {
    /// How far the point is from the face the thread starts at.
    pub from_face_mm: Quantity,
    /// What it is, and how to make it.
    pub says: String,
}

/// How the schools are judged here.
pub(super) struct EndingInputs<'a> {
    pub thread: &'a Thread,
    pub reach: &'a Reach,
    pub cut_end: CutEnd,
    pub shoulder: bool,
    /// The one followed.
    pub followed: EndKind,
    /// The usual one here.
    pub usual: EndKind,
    /// Width of the relief, ring or pocket there is, when told.
    pub width: Option<f64>,
    /// What is beyond an open end.
    pub beyond: Option<&'a Beyond>,
    /// Depth of a register at the mouth.
    pub register: Option<f64>,
}

impl EndingInputs<'_> {
    fn stopping(&self) -> Num {
        if let CutEnd::StopsIn(room) = self.cut_end { room } else { 0.0.into() }
    }

    /// Length in which the thread is not full.
    fn zone(&self, sheet: &mut Worksheet, end: EndKind) -> Num {
        match end {
            EndKind::Relief => relief::width(sheet, self.thread, self.reach, self.cut_end),
            EndKind::PlungedRing | EndKind::DrilledPocket => relief::narrow(sheet, self.reach, end),
            EndKind::Withdraw => sheet.apply(&rules::FADING, [self.thread.lead, self.stopping()]),
            EndKind::Open => 0.0.into(),
        }
    }
}

/// Each school side by side; the open is none at a shoulder.
pub(super) fn endings(sheet: &mut Worksheet, ground: &EndingInputs<'_>) -> Vec<EndingView> {
    let voice = sheet.voice();
    let (length, stopping) = (ground.thread.length, ground.stopping().value);

    let mut all: Vec<_> = [EndKind::Relief, EndKind::PlungedRing, EndKind::Withdraw, EndKind::DrilledPocket, EndKind::Open]
        .into_iter()
        .filter(|end| !ground.shoulder || *end != EndKind::Open)
        .map(|end| {
            let zone = if end == ground.followed && end != EndKind::Withdraw {
                ground.width.map_or_else(|| ground.zone(sheet, end), Num::from)
            } else {
                ground.zone(sheet, end)
            };
            let off = voice.about(zone.value);
            let (says, seats, consequence) = match end {
                EndKind::Relief => (say!(voice, "end-relief"), true, say!(voice, "end-relief-weakest")),
                EndKind::PlungedRing if stopping > MARGIN_MM => {
                    (say!(voice, "end-ring"), true, say!(voice, "end-ring-too-narrow", stopping = voice.least(stopping)))
                }
                EndKind::PlungedRing => (say!(voice, "end-ring"), true, say!(voice, "end-ring-stops")),
                EndKind::Withdraw if matches!(ground.cut_end, CutEnd::StartsIn(_)) => {
                    (say!(voice, "end-withdraw"), false, say!(voice, "end-withdraw-in-metal"))
                }
                EndKind::Withdraw => (say!(voice, "end-withdraw"), false, say!(voice, "end-withdraw-fades", off = off)),
                EndKind::DrilledPocket => (say!(voice, "end-pocket"), false, say!(voice, "end-pocket-by-hand", off = off)),
                EndKind::Open => (say!(voice, "end-open"), true, ground.beyond.map_or_else(|| say!(voice, "end-open-unknown"), |b| b.says.clone())),
            };
            EndingView {
                end,
                says,
                usable_mm: Quantity::about(voice, (length - zone.value).max(0.0)),
                seats,
                consequence: if length <= zone.value { say!(voice, "end-no-full-thread") } else { consequence },
                chosen: end == ground.followed,
                recommended: false,
            }
        })
        .collect();
    // The usual one, unless it is the one that leaves nothing to screw on to.
    let least = ground.thread.pitch.value;
    let usual = all.iter().position(|e| e.end == ground.usual);
    let leaves = usual.filter(|i| all[*i].leaves(least)).or_else(|| all.iter().position(|e| e.leaves(least))).or(usual);
    if let Some(one) = leaves.and_then(|i| all.get_mut(i)) {
        one.recommended = true;
    }
    all
}

/// That the one followed leaves no thread to speak of.
pub(super) fn leaves_none(endings: &[EndingView], thread: &Thread, voice: Voice) -> Option<Watch> {
    let chosen = endings.iter().find(|e| e.chosen && !e.leaves(thread.pitch.value))?;
    let any = if chosen.usable_mm.value < ABOUT_MM { "no" } else { "yes" };
    let text = say!(voice, "end-eats-the-thread", any = any, end = &chosen.says, length = voice.about(thread.length), usable = &chosen.usable_mm.text);
    Some(Watch::new(Level::Danger, Code::NoThread, "blank", text))
}

/// The mark for the ending followed: where the point stands when the hand must act.
pub(super) fn mark(sheet: &mut Worksheet, ground: &EndingInputs<'_>) -> Mark {
    let voice = sheet.voice();
    let (end, length, reach) = (ground.followed, Num::from(ground.thread.length), ground.reach);
    let zone = ground.width.filter(|_| end != EndKind::Withdraw).map_or_else(|| ground.zone(sheet, end), Num::from);
    let (at, act) = match (end, ground.cut_end) {
        (EndKind::Relief, CutEnd::StopsIn(_)) => (sheet.apply(&rules::MARK_RELIEF, [length, zone, reach.half]), "relief"),
        (EndKind::Relief | EndKind::PlungedRing, CutEnd::StartsIn(_)) => {
            (sheet.apply(&rules::MARK_START, [length, reach.half, reach.ahead, reach.backlash.into()]), "in-groove")
        }
        (EndKind::PlungedRing | EndKind::DrilledPocket, _) => (sheet.apply(&rules::MARK_MIDDLE, [length, zone]), "by-hand"),
        (EndKind::Withdraw, _) => (sheet.apply(&rules::MARK_FADE, [length, zone]), "withdraw"),
        (EndKind::Open, CutEnd::StartsIn(run_up)) => (sheet.apply(&rules::MARK_START_OPEN, [length, reach.half, run_up]), "start"),
        (EndKind::Open, _) => (sheet.apply(&rules::MARK_OPEN, [length, reach.half]), "clear"),
    };
    let at = ground.register.map_or(at, |deep| sheet.apply(&rules::MARK_PAST_REGISTER, [at, deep.into()]));
    let says = match ground.thread.spec.side {
        Side::Internal => say!(voice, "end-mark-on-bar", act = act),
        Side::External => say!(voice, "end-mark-on-dial", act = act),
    };
    Mark { from_face_mm: Quantity::about(voice, at), says }
}
