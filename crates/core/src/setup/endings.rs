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
        let voice = self.voice;
        match self.meet {
            Some(turns) if turns > CHALK_TURNS => say!(voice, "ending-chalk-near-miss", turns = turns, most = CHALK_TURNS),
            Some(1) => say!(voice, "ending-chalk-every-turn"),
            Some(turns) => say!(voice, "ending-chalk-turns", turns = turns),
            None => say!(voice, "ending-chalk-first"),
        }
    }
}

/// The ending recommended: by hand where a carriage cannot be stopped in the room; by the dial where it serves; else
/// never opened, unless the spindle cannot be reversed, or the chuck could unscrew in reverse: chalk marks then find the groove. A crank is
/// turned by hand; what has no half-nut is reversed.
pub(super) fn recommend(ask: &EndingQuery<'_>) -> Ending {
    if ask.by_hand || ask.lathe.cranked() {
        Ending::Hand
    } else if !ask.lathe.half_nut() {
        if ask.lathe.reverses && ask.lathe.chuck != Chuck::Screwed { Ending::Closed } else { Ending::Hand }
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
    let room = if ask.shoulder { "relief" } else { "open" };
    let list = [
        (
            Ending::Dial,
            if ask.rule == DialRule::AnyPosition { say!(voice, "ending-dial-anywhere") } else { say!(voice, "ending-dial") },
            if ask.rule == DialRule::KeepClosed { say!(voice, "ending-dial-lost") } else { say!(voice, "ending-dial-is", room = room) },
            ask.rule != DialRule::KeepClosed,
        ),
        (
            Ending::Closed,
            say!(voice, "ending-closed"),
            say!(voice, "ending-closed-is", room = room, coasts = if lathe.quick_stop { "little" } else { "on" }, reverse = reverse),
            lathe.reverses,
        ),
        (Ending::SameMark, say!(voice, "ending-same-mark"), say!(voice, "ending-same-mark-is", reverse = reverse), lathe.reverses && lathe.dial.is_some()),
        (Ending::Hand, say!(voice, "ending-hand"), say!(voice, "ending-hand-is", coarse = if ask.coarse { "yes" } else { "no" }), true),
        (Ending::ChalkMarks, say!(voice, "ending-chalk"), ask.chalk_says(), ask.chalk_serves()),
    ];
    // What this lathe has not is not among its ways.
    let has = |ending: Ending| match ending {
        Ending::Hand => true,
        Ending::Closed => !lathe.cranked(),
        _ => lathe.half_nut() && !lathe.cranked(),
    };
    list.into_iter()
        .filter(|(ending, ..)| has(*ending))
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
fn reversing(lathe: &Lathe) -> &'static str {
    if !lathe.reverses {
        "never"
    } else if lathe.chuck == Chuck::Screwed {
        "screwed"
    } else {
        "freely"
    }
}
