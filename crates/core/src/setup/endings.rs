//! Ways of ending a pass, compared for this job.

use crate::gears::DialRule;
use crate::job::{Chuck, Ending, Lathe};
use crate::say;
use crate::voice::Voice;
use serde::Serialize;

/// One way of ending a pass and what comes of it here.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct EndingWay {
    /// Which.
    pub ending: Ending,
    /// As it is said.
    pub says: String,
    /// What it asks and what comes of it.
    pub consequence: String,
    /// Whether it serves here.
    pub serves: bool,
    /// Whether it is the one followed.
    pub chosen: bool,
    /// Whether it is the one recommended.
    pub recommended: bool,
}

/// What the ways are judged on.
pub(super) struct EndingQuery<'a> {
    pub lathe: &'a Lathe,
    pub rule: DialRule,
    pub by_hand: bool,
    pub shoulder: bool,
    pub coarse: bool,
    /// Turns of the spindle in which chalk marks on spindle and leadscrew meet once, with the train hung.
    pub meet: Option<i128>,
    pub voice: Voice,
}

/// Turns past which chalk marks that meet but once in so many are not to be told from a near miss. House value.
const CHALK_TURNS: i128 = 24;

impl EndingQuery<'_> {
    fn chalk_serves(&self) -> bool {
        self.meet.is_none_or(|turns| turns <= CHALK_TURNS)
    }

    /// What chalk marks ask of this train.
    fn chalk_says(&self) -> String {
        let nut = self.voice.words().half_nut;
        match self.meet {
            Some(turns) if turns > CHALK_TURNS => {
                format!("the marks would meet once in {turns} turns of the spindle: past {CHALK_TURNS} a near miss passes for a hit")
            }
            Some(1) => format!("close the {nut} only when both marks line up, as they do at every turn"),
            Some(turns) => format!("close the {nut} only when both marks line up, once in {turns} turns of the spindle: half of that is waited for each time"),
            None => format!("close the {nut} only when both marks line up as they did first"),
        }
    }
}

/// The ending recommended: by hand where a carriage cannot be stopped in the room; by the dial where it serves; else
/// never opened, unless the spindle cannot be reversed, or the chuck could unscrew in reverse: chalk marks then find the groove.
pub(super) fn recommend(ask: &EndingQuery<'_>) -> Ending {
    if ask.by_hand {
        Ending::Hand
    } else if ask.rule != DialRule::KeepClosed {
        Ending::Dial
    } else if ask.lathe.chuck == Chuck::Screwed {
        if ask.chalk_serves() { Ending::ChalkMarks } else { Ending::Hand }
    } else if ask.lathe.reverses {
        Ending::Closed
    } else {
        Ending::Hand
    }
}

/// Every way side by side.
pub(super) fn ways(ask: &EndingQuery<'_>, followed: Ending) -> Vec<EndingWay> {
    let (voice, lathe) = (ask.voice, ask.lathe);
    let recommended = recommend(ask);
    let reverse = reversing(lathe);
    let room = if ask.shoulder { "; it must stop in the relief" } else { "" };
    let list = [
        (
            Ending::Dial,
            if ask.rule == DialRule::AnyPosition { say!(voice, "ending-dial-anywhere") } else { say!(voice, "ending-dial") },
            if ask.rule == DialRule::KeepClosed {
                "the dial cannot find the groove again with this train".to_owned()
            } else {
                format!("fast, nothing reversed, and the carriage stops at once{room}")
            },
            ask.rule != DialRule::KeepClosed,
        ),
        (
            Ending::Closed,
            say!(voice, "ending-closed"),
            format!(
                "always in step; back the tool out before reversing, and take up the backlash by a run-up each pass{room}{}{}",
                if lathe.quick_stop { "; the spindle coasts a little" } else { "; without clutch or brake the spindle coasts on" },
                reverse.as_ref().map_or_else(String::new, |r| format!("; {r}"))
            ),
            lathe.reverses,
        ),
        (
            Ending::SameMark,
            say!(voice, "ending-same-mark"),
            format!("for trains the dial cannot serve; wants attention{}", reverse.as_ref().map_or_else(String::new, |r| format!("; {r}"))),
            lathe.reverses && lathe.dial.is_some(),
        ),
        (
            Ending::Hand,
            say!(voice, "ending-hand"),
            if ask.coarse {
                "stops anywhere to a hair, but a coarse thread is heavy to turn".to_owned()
            } else {
                "stops anywhere to a hair; slow, so for short threads and the last turns".to_owned()
            },
            true,
        ),
        (Ending::ChalkMarks, say!(voice, "ending-chalk"), ask.chalk_says(), ask.chalk_serves()),
    ];
    list.into_iter()
        .map(|(ending, says, consequence, serves)| EndingWay {
            ending,
            says,
            consequence,
            serves,
            chosen: ending == followed,
            recommended: ending == recommended,
        })
        .collect()
}

/// What stands against reversing the spindle.
fn reversing(lathe: &Lathe) -> Option<String> {
    let screwed = lathe.chuck == Chuck::Screwed;
    if !lathe.reverses {
        Some("this lathe does not reverse".to_owned())
    } else if screwed {
        Some("the chuck screws on: reverse gently, tool clear, and never start hard".to_owned())
    } else {
        None
    }
}
