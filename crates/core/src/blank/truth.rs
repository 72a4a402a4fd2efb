//! Run-out and parallel readings: what they do to this thread, and the move that mends them.

use super::rules;
use crate::job::Parallel;
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
        "It runs true.".to_owned()
    } else if facts.rechucked {
        format!(
            "Put back midway, it is cut {off_text} deeper on one side than on the axis of the first cuts and as much shallower on the other, where the pitch diameter has {} to spare. The {bit} cleans all round again only while more than {off_text} of depth is still to come.",
            voice.length(tolerance),
            bit = voice.words().bit
        )
    } else if facts.runs_true {
        format!("The thread will be true to itself, and {off_text} off the axis of what is finished.")
    } else {
        format!(
            "The thread will be true to itself and to all that is turned in this chucking; it stands {off_text} off what the indicator ran on, which matters to nothing here."
        )
    };
    if matters {
        watch.push(Watch::new(Level::Warn, Code::Runout, "blank", does.clone()));
    }
    let mend = match holding {
        _ if !matters => "Nothing need be moved.".to_owned(),
        Holding::FourJaw | Holding::Faceplate => {
            format!("Turn the high spot to the indicator, slacken the far jaw, push in until it reads {off_text} less, and clock again.")
        }
        Holding::ThreeJaw => {
            let shim = sheet.apply(&rules::GRIP_SHIM, [swing.into()]);
            format!("A shim of {} under the jaw nearest the high spot, or the four-jaw.", voice.length(shim.value))
        }
        Holding::Collet => "Clean collet, nose and work, and put it in again a third of a turn round.".to_owned(),
        Holding::Centres | Holding::Arbor => voice.fill("Clean the {center}s and their holes; skim a soft live {center} true where it stands."),
        Holding::ByItsThread => "Skim the face the part seats on, in place, and screw it home again.".to_owned(),
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
        "It turns parallel.".to_owned()
    } else {
        format!(
            "The thread will be {} larger at the {large_end} end, {} % of its pitch-diameter tolerance of {}.",
            voice.length(size),
            plain_text(size / tolerance * 100.0, 0),
            voice.length(tolerance)
        )
    };
    if size > tolerance * DOUBTFUL_SHARE {
        watch.push(Watch::new(Level::Warn, Code::Taper, "blank", does.clone()));
    }
    let mend = match (tailstock, thread.spec.side) {
        _ if size < 5e-4 => "Nothing need be moved.".to_owned(),
        (Some(by), _) => format!(
            "Move the tailstock {} {}, and turn the test length again.",
            voice.length(by.value.abs()),
            if by.value > 0.0 { "toward the tool" } else { "away from the tool" }
        ),
        (None, Side::Internal) => "A bar springs: take the last cuts light, with spring passes, or use a stiffer one.".to_owned(),
        (None, Side::External) if taper.value > 0.0 => voice.fill("The work springs from the {bit}: lighter cuts, a sharper {bit}, or a {center}."),
        (None, Side::External) => voice.fill(
            "Smaller at the free end with nothing holding it, so the headstock is out of line: let it be aligned as its maker says, or cut between {center}s.",
        ),
    };
    Some(ParallelView { taper_mm: Quantity::length(voice, taper), tailstock_mm: tailstock.map(|v| Quantity::length(voice, v)), does, mend })
}
