//! How the thread ends: the schools, what usable thread each leaves, whether the mate seats, and the mark to
//! work to where the end cannot be seen.

use super::beyond::Beyond;
use super::end::{CutEnd, MARGIN_MM};
use super::reach::Reach;
use super::{relief, rules};
use crate::job::EndKind;
use crate::quantity::small_first;
use crate::thread::Side;
use crate::thread::form::Thread;
use crate::working::{Num, Quantity, Worksheet};
use serde::Serialize;

/// One school and what comes of it here.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct EndingView {
    /// Which.
    pub end: EndKind,
    /// As it is said.
    pub says: &'static str,
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
    let recommended = ground.usual;
    let beyond = |zone: f64| format!("the mate stands {} off unless it is counterbored", voice.about(zone));
    [EndKind::Relief, EndKind::PlungedRing, EndKind::Withdraw, EndKind::DrilledPocket, EndKind::Open]
        .into_iter()
        .filter(|end| !ground.shoulder || *end != EndKind::Open)
        .map(|end| {
            let zone = if end == ground.followed && end != EndKind::Withdraw {
                ground.width.map_or_else(|| ground.zone(sheet, end), Num::from)
            } else {
                ground.zone(sheet, end)
            };
            let (says, seats, consequence) = match end {
                EndKind::Relief => ("in a turned relief", true, "the mate seats; the groove is the weakest place, so radius its corners".into()),
                EndKind::PlungedRing if stopping > MARGIN_MM => (
                    "in a ring plunged by the tool",
                    true,
                    format!(
                        "the mate seats, but {} of stopping does not fit in it: turn the spindle by hand, or cut away from the shoulder",
                        voice.least(stopping)
                    ),
                ),
                EndKind::PlungedRing => ("in a ring plunged by the tool", true, "the mate seats; the carriage must stop in its width".into()),
                EndKind::Withdraw if matches!(ground.cut_end, CutEnd::StartsIn(_)) => {
                    ("withdrawn at a mark", false, "the cut starts here: in solid metal the tool cannot be fed in".to_owned())
                }
                EndKind::Withdraw => ("withdrawn at a mark", false, format!("no groove to weaken it, but the last turn fades out: {}", beyond(zone.value))),
                EndKind::DrilledPocket => {
                    ("in a drilled pocket", false, format!("the spindle must stop with the tool in it, so by hand; {}", beyond(zone.value)))
                }
                EndKind::Open => (
                    "out in the open",
                    true,
                    ground
                        .beyond
                        .map_or_else(|| "nothing is weakened; what stands beyond it must be known".to_owned(), |b| small_first(b.says.trim_end_matches('.'))),
                ),
            };
            EndingView {
                end,
                says,
                usable_mm: Quantity::about(voice, (length - zone.value).max(0.0)),
                seats,
                consequence: if length <= zone.value { format!("no full thread is left; {consequence}") } else { consequence },
                chosen: end == ground.followed,
                recommended: end == recommended,
            }
        })
        .collect()
}

/// The mark for the ending followed: where the point stands when the hand must act.
pub(super) fn mark(sheet: &mut Worksheet, ground: &EndingInputs<'_>) -> Mark {
    let voice = sheet.voice();
    let (end, length, reach) = (ground.followed, Num::from(ground.thread.length), ground.reach);
    let zone = ground.width.filter(|_| end != EndKind::Withdraw).map_or_else(|| ground.zone(sheet, end), Num::from);
    let (at, act) = match (end, ground.cut_end) {
        (EndKind::Relief, CutEnd::StopsIn(_)) => {
            (sheet.apply(&rules::MARK_RELIEF, [length, zone, reach.half]), "stop here: the thread is full and the relief begins")
        }
        (EndKind::Relief | EndKind::PlungedRing, CutEnd::StartsIn(_)) => {
            (sheet.apply(&rules::MARK_START, [length, reach.half, reach.ahead, reach.backlash.into()]), "start here, in the groove, no nearer the shoulder")
        }
        (EndKind::PlungedRing | EndKind::DrilledPocket, _) => (sheet.apply(&rules::MARK_MIDDLE, [length, zone]), "stop here, the spindle turned by hand"),
        (EndKind::Withdraw, _) => (sheet.apply(&rules::MARK_FADE, [length, zone]), "begin to withdraw here"),
        (EndKind::Open, CutEnd::StartsIn(run_up)) => {
            (sheet.apply(&rules::MARK_START_OPEN, [length, reach.half, run_up]), "start here, clear of the end of the thread")
        }
        (EndKind::Open, _) => (sheet.apply(&rules::MARK_OPEN, [length, reach.half]), "the tool is clear of the thread here"),
    };
    let (where_to, how) = match ground.thread.spec.side {
        Side::Internal => ("on the bar", "with the point at the mouth, mark the bar this far outside it"),
        Side::External => ("on the dial or the bed", "with the point at the end face, set the carriage dial to nought, or mark the bed"),
    };
    Mark { from_face_mm: Quantity::about(voice, at), says: format!("{act}; {how}, and work to the mark {where_to}") }
}
