//! Run-out and parallel readings: what they do to this thread, and the move that mends them.

use super::rules;
use crate::job::Parallel;
use crate::say;
use crate::watch::{Code, DOUBTFUL_SHARE};

use crate::job::BlankFacts;
use crate::job::pad::rules as pad;
use crate::job::{Holding, Support};
use crate::quantity::plain_text;
use crate::thread::Side;
use crate::thread::form::Thread;
use crate::watch::{Level, Watch};
use crate::working::{Quantity, Worksheet};
use serde::Serialize;

/// What a run-out reading does.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct RunOutView {
    /// How far off centre the work runs: half the swing.
    pub off_mm: Quantity,
    /// What that does to the thread.
    pub does: String,
    /// The move that mends it.
    pub mend: String,
}

/// What a parallel test shows.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ParallelView {
    /// Taper over the threaded length, on diameter; larger at the free end when over 0.
    pub taper_mm: Quantity,
    /// Tailstock toward the tool, when a centre holds the free end; away when under 0.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub tailstock_mm: Option<Quantity>,
    /// What that does to the thread.
    pub does: String,
    /// The move that mends it.
    pub mend: String,
}

/// Run-out under this is none, mm. House value.
const TRUE_MM: f64 = 0.01;

/// A run-out reading.
pub(super) fn run_out(sheet: &mut Worksheet, facts: &BlankFacts, holding: Holding, thread: &Thread, watch: &mut Vec<Watch>) -> Option<RunOutView> {
    let voice = sheet.voice();
    let swing = facts.runout_mm?;
    let off = sheet.apply(&pad::RUN_OUT, [swing.into()]);
    let off_text = voice.length(off.value);
    let tolerance = thread.own.pitch.1.value - thread.own.pitch.0.value;
    let matters = swing > TRUE_MM && (facts.rechucked || facts.runs_true);
    let does = if swing <= TRUE_MM {
        say!(voice, "blank-runs-true")
    } else if facts.rechucked {
        say!(voice, "blank-put-back", off = &off_text, tolerance = voice.length(tolerance))
    } else if facts.runs_true {
        say!(voice, "blank-off-the-finished", off = &off_text)
    } else {
        say!(voice, "blank-true-to-this-chucking", off = &off_text)
    };
    if matters {
        watch.push(Watch::new(Level::Warn, Code::Runout, "blank", does.clone()));
    }
    let mend = match holding {
        _ if !matters => say!(voice, "blank-nothing-need-be-moved"),
        Holding::FourJaw | Holding::Faceplate => {
            say!(voice, "blank-four-jaw-again", off = &off_text)
        }
        Holding::ThreeJaw => {
            let shim = sheet.apply(&rules::GRIP_SHIM, [swing.into()]);
            say!(voice, "blank-shim", shim = voice.length(shim.value))
        }
        Holding::Collet => say!(voice, "blank-clean-collet"),
        Holding::Centres | Holding::Arbor => say!(voice, "blank-clean-centers"),
        Holding::ByItsThread => say!(voice, "blank-skim-face"),
    };
    Some(RunOutView { off_mm: Quantity::length(voice, off), does, mend })
}

/// A parallel test.
pub(super) fn parallel(sheet: &mut Worksheet, facts: &BlankFacts, thread: &Thread, watch: &mut Vec<Watch>) -> Option<ParallelView> {
    let voice = sheet.voice();
    let Parallel { free_mm, headstock_mm, apart_mm } = facts.parallel?;
    let length = facts.stick_out_mm.unwrap_or(thread.length).max(thread.length);
    let figures = [free_mm.into(), headstock_mm.into(), apart_mm.into()];
    let taper = sheet.apply(&pad::TAPER, [figures[0], figures[1], figures[2], thread.length.into()]);
    let held = facts.support != Support::None && thread.spec.side == Side::External;
    let tailstock = held.then(|| sheet.apply(&rules::TAILSTOCK_MOVE, [figures[0], figures[1], figures[2], length.into()]));
    let tolerance = thread.own.pitch.1.value - thread.own.pitch.0.value;
    let (size, large_end) = (taper.value.abs(), if taper.value > 0.0 { "free" } else { "headstock" });
    let does = if size < 5e-4 {
        say!(voice, "blank-turns-parallel")
    } else {
        say!(voice, "blank-taper", size = voice.length(size), end = large_end, share = plain_text(size / tolerance * 100.0, 0), room = voice.length(tolerance))
    };
    if size > tolerance * DOUBTFUL_SHARE {
        watch.push(Watch::new(Level::Warn, Code::Taper, "blank", does.clone()));
    }
    let mend = match (tailstock, thread.spec.side) {
        _ if size < 5e-4 => say!(voice, "blank-nothing-need-be-moved"),
        (Some(by), _) => {
            say!(voice, "blank-move-tailstock", by = voice.length(by.value.abs()), way = if by.value > 0.0 { "toward" } else { "away" })
        }
        (None, Side::Internal) => say!(voice, "blank-bar-springs"),
        (None, Side::External) if taper.value > 0.0 => say!(voice, "blank-work-springs"),
        (None, Side::External) => say!(voice, "blank-headstock-out"),
    };
    Some(ParallelView { taper_mm: Quantity::length(voice, taper), tailstock_mm: tailstock.map(|v| Quantity::length(voice, v)), does, mend })
}
