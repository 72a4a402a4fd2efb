//! What every pass goes through, for the way it ends; and the way back into the groove.

use super::SetupSection;
use crate::direction::Carriage;
use crate::gears::{DialRule, DialSection};
use crate::job::Ending;
use crate::thread::Side;
use crate::voice::Voice;
use serde::{Deserialize, Serialize};

/// One state of the cycle every pass goes through.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct CyclePhase {
    /// In a word or two, large.
    pub name: String,
    /// What to do.
    pub says: String,
}

/// Whether opening the half-nut in the middle of such a cut loses the thread.
pub(crate) const fn opening_loses(ending: Ending) -> bool {
    matches!(ending, Ending::Closed | Ending::SameMark | Ending::Hand | Ending::Auto)
}

/// How the hand feeds and clears: in and out as seen from the work's axis, and which way that is for who stands there.
struct Feed {
    set: CyclePhase,
    clear: CyclePhase,
    /// The clearing as the end of a sentence.
    and_clear: String,
}

impl Feed {
    fn of(setup: &SetupSection, side: Side) -> Self {
        let (away, toward) = ("away from you", "toward you");
        let (to_work, off_work) = if setup.infeed_away { (away, toward) } else { (toward, away) };
        let phase = |name: &str, says: String| CyclePhase { name: name.to_owned(), says };
        match side {
            // The usual way needs no telling which way it is.
            Side::External if setup.infeed_away => Self {
                set: phase("Set in", "Wind in to the setting.".into()),
                clear: phase("Tool out", "Draw the tool straight out.".into()),
                and_clear: "draw the tool out".into(),
            },
            Side::External => Self {
                set: phase("Set in", format!("Wind in, {to_work}, to the setting.")),
                clear: phase("Tool out", format!("Draw the tool straight out, {off_work}.")),
                and_clear: format!("draw the tool out, {off_work}"),
            },
            Side::Internal => Self {
                set: phase("Set out", format!("Wind out, {to_work}, to the setting.")),
                clear: phase("Tool in", format!("Draw the tool straight in, {off_work}, off the wall.")),
                and_clear: format!("draw the tool in, {off_work}"),
            },
        }
    }
}

/// The states of the cycle, in order; the first is where the next setting is wound to.
pub(crate) fn cycle(setup: &SetupSection, side: Side, dial: &DialSection, voice: Voice) -> Vec<CyclePhase> {
    let nut = voice.words().half_nut;
    let way = if setup.carriage == Carriage::TowardHeadstock { "toward the headstock" } else { "toward the tailstock" };
    let back = if setup.carriage == Carriage::TowardHeadstock { "to the right of the work" } else { "to the left, into the relief" };
    let phase = |name: &str, says: String| CyclePhase { name: name.to_owned(), says };
    let Feed { set, clear, and_clear } = Feed::of(setup, side);
    match setup.ending {
        Ending::Dial => {
            let (name, on) = match dial.rule {
                DialRule::AnyPosition => ("Close", "anywhere".to_owned()),
                DialRule::EveryMark => ("Close on a mark", "on any mark".into()),
                _ => (
                    "Close on the mark",
                    dial.every.map_or_else(|| "on the mark chosen first".into(), |n| format!("on the mark chosen first, or every {n} from it")),
                ),
            };
            vec![
                set,
                phase(name, format!("Close the {nut} {on}.")),
                phase("Cut", format!("It cuts {way}.")),
                phase("Open", format!("Open the {nut} and {and_clear}, both at once.")),
                phase("Back", format!("Carriage back by hand, {back}.")),
            ]
        }
        Ending::SameMark => vec![
            set,
            phase("Close on the mark", format!("Close the {nut} on the same mark, before the dial has gone once round.")),
            phase("Cut", format!("It cuts {way}.")),
            phase("Open and stop", format!("Open the {nut}, {and_clear}, stop the spindle.")),
            phase("Reverse", "Spindle in reverse till the mark comes back, carriage brought back by hand.".into()),
        ],
        Ending::ChalkMarks => vec![
            set,
            phase("Chalk in line", format!("Both chalk marks in line: close the {nut}.")),
            phase("Cut", format!("It cuts {way}.")),
            phase("Open", format!("Open the {nut} and {and_clear}.")),
            phase("Back", "Carriage back against its stop.".into()),
        ],
        Ending::Hand => vec![
            set,
            phase("Turn by hand", format!("Turn the spindle by hand; the tool goes {way}.")),
            clear,
            phase("Turn back", format!("Turn it back past the start; the {nut} stays closed.")),
        ],
        Ending::Closed | Ending::Auto => {
            let cut = phase("Cut", format!("Spindle on; it cuts {way}. The {nut} stays closed."));
            let [reverse, stop] = if setup.comes_back.as_ref().is_some_and(|r| r.by_hand) {
                [
                    phase("Reverse", format!("Spindle in reverse, tool clear; stop it while it is still over the thread. The {nut} stays closed.")),
                    phase("In by hand", "Turn it the last part back by hand, till the tool stands clear of the thread and of what is beyond.".into()),
                ]
            } else {
                [
                    phase("Reverse", format!("Spindle in reverse, back past the start; the {nut} stays closed.")),
                    phase("Stop", "Stop past the start, so that the play is taken up going in.".into()),
                ]
            };
            vec![set, cut, clear, reverse, stop]
        }
    }
}

/// How the thread is picked up again after it was lost.
pub(crate) fn pick_up(setup: &SetupSection, voice: Voice) -> Vec<String> {
    let nut = voice.words().half_nut;
    let way = if setup.carriage == Carriage::TowardHeadstock { "toward the headstock" } else { "toward the tailstock" };
    let mut steps = vec![
        format!("Tool clear, {nut} closed: turn the spindle by hand till the carriage moves {way}."),
        format!("Spindle still: tip into the groove with {} and cross-slide, till both flanks touch.", voice.words().compound),
        "Follow the groove by hand before the next pass.".to_owned(),
    ];
    if setup.ending == Ending::Dial {
        steps.push(format!("The {nut} closes on a new mark now: read it and note it."));
    }
    steps
}
