//! What the thread runs out into: a turned relief, a ring plunged by the bit, a drilled pocket.

use super::end::{CutEnd, MARGIN_MM};
use super::reach::{CLEARANCE_MM, Reach};
use super::rules;
use crate::bit::Tip;
use crate::job::{BlankFacts, EndKind, Kit};
use crate::say;
use crate::thread::Side;
use crate::thread::form::Thread;
use crate::voice::Voice;
use crate::watch::{Code, Level, Watch};
use crate::working::{Num, Quantity, Worksheet};
use serde::Serialize;

/// Where the tip runs out, or starts.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Relief {
    /// Which of the ways of ending it serves.
    pub end: EndKind,
    /// Diameter below (or beyond) the deepest the tip reaches.
    pub diameter_mm: Quantity,
    /// Least width; of a pocket, its least diameter.
    pub width_mm: Quantity,
    /// Largest radius its corners may have, of a turned relief.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub corner_mm: Option<Quantity>,
    /// Drill for a pocket: the nearest owned at or over its least diameter.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub drill_mm: Option<Quantity>,
    /// Why the one there does not serve; empty when it does.
    #[serde(skip_serializing_if = "Vec::is_empty")]
    pub refused: Vec<String>,
    /// What to do about it.
    pub says: String,
}

/// Least width of a turned relief: to stop in, or to start in.
pub(super) fn width(sheet: &mut Worksheet, thread: &Thread, reach: &Reach, end: CutEnd) -> Num {
    match end {
        CutEnd::StopsIn(distance) => sheet.apply(&rules::RELIEF_WIDTH, [reach.half, reach.ahead, distance, thread.pitch]),
        CutEnd::StartsIn(_) => start_width(sheet, reach),
    }
}

/// Least width of a groove to start in.
pub(crate) fn start_width(sheet: &mut Worksheet, reach: &Reach) -> Num {
    sheet.apply(&rules::RELIEF_START, [reach.half, reach.ahead, reach.backlash.into()])
}

/// Room a relief of this width leaves the carriage to stop in.
pub(crate) fn room(sheet: &mut Worksheet, reach: &Reach, width: f64) -> Num {
    sheet.apply(&rules::STOPPING_ROOM, [width.into(), reach.half, reach.ahead])
}

/// Room to stop in that a relief still to be turned is given: what the slowest speed needs, or what two pitches leave.
pub(crate) fn proposed_room(sheet: &mut Worksheet, reach: &Reach, thread: &Thread, slowest: Num) -> Num {
    let width = width(sheet, thread, reach, CutEnd::StopsIn(slowest));
    room(sheet, reach, width.value)
}

/// Width of a ring plunged by the bit, or of a pocket drilled for it.
pub(super) fn narrow(sheet: &mut Worksheet, reach: &Reach, end: EndKind) -> Num {
    match end {
        EndKind::DrilledPocket => sheet.apply(&rules::POCKET, [reach.half, reach.depth.into()]),
        _ => sheet.apply(&rules::RING_WIDTH, [reach.half]),
    }
}

/// What one is judged on.
pub(super) struct ReliefQuery<'a> {
    pub facts: &'a BlankFacts,
    pub kit: &'a Kit,
    pub thread: &'a Thread,
    pub tip: &'a Tip,
    pub reach: &'a Reach,
    pub used: Num,
    pub cut_end: CutEnd,
}

/// The place the thread ends in, and whether the one there serves: one that does not is refused, with the reason.
pub(super) fn reckon(sheet: &mut Worksheet, ask: &ReliefQuery<'_>, end: EndKind, watch: &mut Vec<Watch>) -> Relief {
    let voice = sheet.voice();
    let turned = end == EndKind::Relief;
    let width = if turned { width(sheet, ask.thread, ask.reach, ask.cut_end) } else { narrow(sheet, ask.reach, end) };
    let corner = turned.then(|| {
        let step = Num::from((ask.used.value - ask.reach.clear.value).abs() / 2.0);
        sheet.apply(&rules::CORNER, [ask.thread.pitch, ask.reach.ahead, ask.tip.equal_flat, step])
    });
    let drill = (end == EndKind::DrilledPocket).then(|| ask.kit.drills_mm.iter().copied().filter(|d| *d >= width.value).min_by(f64::total_cmp)).flatten();
    let says = match end {
        EndKind::Relief => {
            say!(voice, "relief-corners", radius = corner.map_or_else(String::new, |c| voice.about(c.value)))
        }
        EndKind::DrilledPocket => say!(voice, "relief-drilled", deep = voice.about((ask.used.value - ask.reach.clear.value).abs() / 2.0)),
        _ => {
            say!(voice, "relief-plunged", by = voice.coarse(MARGIN_MM))
        }
    };
    let wide = turned && width.value > 3.0 * ask.thread.pitch.value;
    let says = if wide { [says, over_three_pitches(ask.reach, voice)].join(" ") } else { says };
    let (codes, refused): (Vec<_>, Vec<_>) = refusals(ask, end, width, corner, voice).into_iter().unzip();
    for (code, text) in codes.iter().zip(&refused) {
        watch.push(Watch::new(Level::Danger, *code, "blank", text.clone()));
    }
    Relief {
        end,
        diameter_mm: Quantity::length(voice, ask.reach.clear),
        width_mm: Quantity::least(voice, width),
        corner_mm: corner.map(|v| Quantity::about(voice, v)),
        drill_mm: drill.map(|v| Quantity::length(voice, v)),
        refused,
        says,
    }
}

/// What makes a wide relief narrower: the term that binds is named.
fn over_three_pitches(reach: &Reach, voice: Voice) -> String {
    say!(voice, "relief-over-three", ahead = voice.about(reach.ahead.value))
}

/// Why what is there does not serve, each with its code.
fn refusals(ask: &ReliefQuery<'_>, end: EndKind, width: Num, corner: Option<Num>, voice: Voice) -> Vec<(Code, String)> {
    let (facts, external) = (ask.facts, ask.thread.spec.side == Side::External);
    let gap = end.gap();
    let act = match ask.cut_end {
        CutEnd::StopsIn(_) => "stop",
        CutEnd::StartsIn(_) => "start",
    };
    let mut refused = Vec::new();
    if let Some(there) = facts.relief_width_mm.filter(|w| *w < width.value - 1e-6) {
        // The term that binds is named: running slower helps only where stopping does.
        let body = ask.reach.half.value + ask.reach.ahead.value + MARGIN_MM;
        let binds = match ask.cut_end {
            CutEnd::StopsIn(distance) if end == EndKind::Relief && there >= body + distance.value - 1e-6 => "form",
            CutEnd::StopsIn(_) if end == EndKind::Relief && there < body => "body",
            _ => act,
        };
        let text = say!(voice, "relief-narrow", gap = gap, there = voice.coarse(there), need = voice.least(width.value), act = act, binds = binds);
        refused.push((Code::ReliefNarrow, text));
    }
    if let (EndKind::PlungedRing | EndKind::DrilledPocket, CutEnd::StopsIn(distance)) = (end, ask.cut_end)
        && distance.value > MARGIN_MM
    {
        let text = say!(voice, "relief-runs-on", on = voice.least(distance.value), gap = gap, room = voice.about(MARGIN_MM));
        refused.push((Code::ReliefNarrow, text));
    }
    let clear = ask.reach.clear;
    if let Some(there) = facts.relief_diameter_mm.filter(|d| if external { *d > clear.value + 1e-6 } else { *d < clear.value - 1e-6 }) {
        let text = say!(voice, "relief-shallow", gap = gap, there = voice.length(there), need = voice.length(clear.value), act = act);
        refused.push((Code::ReliefShallow, text));
    }
    if let (Some(there), Some(most)) = (facts.relief_corner_mm, corner)
        && there > most.value + 1e-6
    {
        let text = say!(voice, "relief-corner-over", there = voice.about(there), most = voice.about(most.value));
        refused.push((Code::ReliefNarrow, text));
    }
    refused
}

/// Clearance under the tip, radial, mm: what the relief is deeper than the cut by.
pub(super) const UNDER_TIP_MM: f64 = CLEARANCE_MM / 2.0;
