//! What to turn or bore to, and what the blank really is.

use super::rules;
use crate::faults::Assumption;
use crate::job::{BlankAim, BlankFacts};
use crate::making::Maker;
use crate::quantity::plain_text;
use crate::say;
use crate::thread::form::Thread;
use crate::thread::{Side, rules as thread_rules};
use crate::voice::Voice;
use crate::watch::{Code, Level, Watch};
use crate::working::{Num, Worksheet};

/// The blank's size: limits, aim, what is taken for the cut, and full depth as percentages count it.
#[derive(Debug, Clone, Copy)]
pub(crate) struct Size {
    pub min: Num,
    pub max: Num,
    pub aim: Num,
    pub used: Num,
    pub full: Num,
}

/// What a die's blank is turned under the nominal, as a share of the pitch; and of a metal whose crests rise. The second a house value.
const DIE_SHARE: f64 = 0.1;
const DIE_SHARE_SOFT: f64 = 0.13;

/// Works the size.
pub(crate) fn reckon(sheet: &mut Worksheet, facts: &BlankFacts, thread: &Thread, assumed: &mut Vec<Assumption>, watch: &mut Vec<Watch>) -> Size {
    let voice = sheet.voice();
    let side = thread.spec.side;
    let crest = thread.own.crest(side);
    let (min, max) = (crest.0.unwrap_or(thread.major), crest.1.unwrap_or(thread.major));
    let mut aim = match facts.aim {
        BlankAim::Middle => sheet.apply(&thread_rules::MIDDLE, [min, max]),
        BlankAim::Low => sheet.apply(&rules::QUARTER_IN, [min, max]),
        BlankAim::High => sheet.apply(&rules::QUARTER_IN, [max, min]),
    };
    let full = if thread.spec.system.family().is_sixty() {
        sheet.apply(&rules::FULL_SIXTY, [thread.pitch])
    } else {
        sheet.apply(&rules::FULL_BASIC, [thread.major, thread.basic.minor])
    };
    if let Some(share) = facts.engagement_percent {
        aim = sheet.apply(&rules::BORE_OF_SHARE, [thread.major, share.into(), full]);
        if aim.value > max.value + 1e-9 || aim.value < min.value - 1e-9 {
            let text = say!(
                voice,
                "blank-bore-outside-class",
                share = plain_text(share, 0),
                aim = voice.length(aim.value),
                min = voice.length(min.value),
                max = voice.length(max.value)
            );
            watch.push(Watch::new(Level::Warn, Code::BoreLimits, "blank", text));
        }
    }
    if side == Side::External && (facts.die_finish || facts.maker == Maker::Die) {
        let share = if facts.material.crests_rise { DIE_SHARE_SOFT } else { DIE_SHARE };
        aim = sheet.apply(&rules::DIE_BLANK, [thread.major, thread.pitch, share.into()]);
    }
    if facts.diameter_mm.is_none() {
        assumed.push(Assumption {
            pointer: "/blank/diameter_mm".into(),
            text: say!(voice, "blank-not-measured", bore = if side == Side::External { "blank" } else { "bore" }, aim = voice.length(aim.value)),
        });
    }
    watch.extend(facts.diameter_mm.and_then(|d| out_of_limits(side, d, min.value, max.value, voice)));
    Size { min, max, aim, used: facts.diameter_mm.map_or(aim, Num::from), full }
}

/// A blank outside its limits, and what to do about it.
fn out_of_limits(side: Side, d: f64, min: f64, max: f64, voice: Voice) -> Option<Watch> {
    let (over, under) = (d - max, min - d);
    let text = match side {
        Side::External if over > 5e-4 => {
            say!(voice, "blank-over", over = voice.length(over), max = voice.length(max))
        }
        Side::External if under > 5e-4 => {
            say!(voice, "blank-under", under = voice.length(under), min = voice.length(min))
        }
        Side::Internal if over > 5e-4 => say!(voice, "blank-bore-over", over = voice.length(over), max = voice.length(max)),
        Side::Internal if under > 5e-4 => {
            say!(voice, "blank-bore-under", under = voice.length(under), min = voice.length(min))
        }
        _ => return None,
    };
    Some(Watch::new(Level::Warn, Code::BlankSize, "blank", text))
}
