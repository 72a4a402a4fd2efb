//! What the single point leaves on a thread that a die finishes.

use super::rules;
use crate::job::Job;
use crate::say;
use crate::thread::Side;
use crate::thread::form::Thread;
use crate::watch::{Code, Level, Watch};
use crate::working::{Num, Worksheet};

/// Most left on the pitch diameter for a die, mm, by practice a tenth to two; and no more than this share of the thread's depth.
const DIE_LEFT_MM: f64 = 0.2;
const DIE_LEFT_SHARE: f64 = 0.25;
/// Where between nothing and that the single point stops: the middle of the upper half.
const DIE_STOPS: f64 = 0.75;

/// Where a die finishes it, the size the single point stops at, and the thread with as much more on its upper limit as the die may take.
pub(crate) fn left_for_die(sheet: &mut Worksheet, job: &Job, th: &Thread, target: Num, watch: &mut Vec<Watch>) -> (Num, Option<Thread>) {
    if !job.blank.die_finish || th.spec.side == Side::Internal || job.cut.target_mm.is_some() {
        return (target, None);
    }
    let depth = (th.major.value - th.basic.minor.value) / 2.0;
    let most = DIE_LEFT_MM.min(DIE_LEFT_SHARE * depth);
    let [stop, high] = [DIE_STOPS * most, most].map(|left| sheet.apply(&rules::LEFT_FOR_DIE, [target, left.into()]));
    let mut left = th.clone();
    left.own.pitch.1 = if high.value > th.own.pitch.1.value { high } else { th.own.pitch.1 };
    let voice = sheet.voice();
    let ends = voice.between(th.own.pitch.0.value, th.own.pitch.1.value);
    watch.push(Watch::new(
        Level::Note,
        Code::DieFinish,
        "gauge",
        say!(voice, "blank-left-for-die", over = voice.length(stop.value - target.value), ends = ends),
    ));
    (stop, Some(left))
}
