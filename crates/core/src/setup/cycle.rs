//! What every pass goes through, for the way it ends; and the way back into the groove.

use super::SetupSection;
use crate::gears::{DialRule, DialSection};
use crate::job::Ending;
use crate::say;
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

/// How the hand feeds and clears: in and out as seen from the work's axis, and which way that is for who stands there. By the names of the
/// cases the sentences have.
struct Feed {
    set: &'static str,
    clear: &'static str,
}

impl Feed {
    const fn of(setup: &SetupSection, side: Side) -> Self {
        match (side, setup.infeed_away) {
            // The usual way needs no telling which way it is.
            (Side::External, true) => Self { set: "in", clear: "out" },
            (Side::External, false) => Self { set: "in-toward", clear: "out-away" },
            (Side::Internal, true) => Self { set: "out-away", clear: "in-toward" },
            (Side::Internal, false) => Self { set: "out-toward", clear: "in-away" },
        }
    }
}

/// The states of the cycle, in order; the first is where the next setting is wound to.
pub(crate) fn cycle(setup: &SetupSection, side: Side, dial: &DialSection, voice: Voice) -> Vec<CyclePhase> {
    let (feed, goes) = (Feed::of(setup, side), setup.carriage.word());
    let phase = |name: String, says: String| CyclePhase { name, says };
    let plain = |name: &str, says: &str| phase(say!(voice, name), say!(voice, says));
    let clears = |name: &str, says: &str| phase(say!(voice, name), say!(voice, says, clear = feed.clear));
    let cuts = |name: &str, says: &str| phase(say!(voice, name), say!(voice, says, carriage = goes));
    let set = phase(say!(voice, "cycle-set-name", side = side.word()), say!(voice, "cycle-set", way = feed.set));
    let cut = cuts("cycle-cut-name", "cycle-cut");
    match setup.ending {
        Ending::Dial => {
            let (rule, says) = match (dial.rule, dial.every) {
                (DialRule::AnyPosition, _) => ("any", say!(voice, "cycle-close-anywhere")),
                (DialRule::EveryMark, _) => ("every", say!(voice, "cycle-close-any-mark")),
                (_, Some(every)) => ("mark", say!(voice, "cycle-close-every", every = every)),
                _ => ("mark", say!(voice, "cycle-close-first-mark")),
            };
            let close = phase(say!(voice, "cycle-close-name", rule = rule), says);
            vec![set, close, cut, clears("cycle-open-name", "cycle-open"), cuts("cycle-back-name", "cycle-back")]
        }
        Ending::SameMark => {
            let close = phase(say!(voice, "cycle-close-name", rule = "mark"), say!(voice, "cycle-close-same-mark"));
            vec![set, close, cut, clears("cycle-open-stop-name", "cycle-open-stop"), plain("cycle-reverse-name", "cycle-reverse-mark")]
        }
        Ending::ChalkMarks => vec![
            set,
            plain("cycle-chalk-name", "cycle-chalk"),
            cut,
            clears("cycle-open-name", "cycle-chalk-open"),
            plain("cycle-back-name", "cycle-chalk-back"),
        ],
        Ending::Hand => vec![
            set,
            cuts("cycle-hand-name", "cycle-hand"),
            phase(say!(voice, "cycle-clear-name", side = side.word()), say!(voice, "cycle-clear", clear = feed.clear)),
            plain("cycle-hand-back-name", "cycle-hand-back"),
        ],
        Ending::Closed | Ending::Auto => {
            let clear = phase(say!(voice, "cycle-clear-name", side = side.word()), say!(voice, "cycle-clear", clear = feed.clear));
            let [reverse, stop] = if setup.comes_back.as_ref().is_some_and(|r| r.by_hand) {
                [plain("cycle-reverse-name", "cycle-reverse-clear"), plain("cycle-in-by-hand-name", "cycle-in-by-hand")]
            } else {
                [plain("cycle-reverse-name", "cycle-reverse"), plain("cycle-stop-name", "cycle-stop")]
            };
            vec![set, cuts("cycle-cut-name", "cycle-closed-cut"), clear, reverse, stop]
        }
    }
}

/// How the thread is picked up again after it was lost.
pub(crate) fn pick_up(setup: &SetupSection, voice: Voice) -> Vec<String> {
    let take_up = say!(voice, "pick-up-take-up", carriage = setup.carriage.word());
    let mut steps = vec![take_up, if setup.compound_feeds { say!(voice, "pick-up-tip") } else { say!(voice, "pick-up-mesh") }, say!(voice, "pick-up-follow")];
    if setup.ending == Ending::Dial {
        steps.push(say!(voice, "pick-up-new-mark"));
    }
    steps
}
