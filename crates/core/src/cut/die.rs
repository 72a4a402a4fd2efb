//! What the single point leaves on a thread that a die, in a nut a tap, finishes.

use super::rules;
use crate::job::Job;
use crate::making::Maker;
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

/// Where a die or a tap finishes it, the size the single point stops at, and the thread with as much more on its near limit as that may take.
pub(crate) fn left_for_die(sheet: &mut Worksheet, job: &Job, th: &Thread, target: Num, watch: &mut Vec<Watch>) -> (Num, Option<Thread>) {
    if !job.blank.die_finish || job.cut.target_mm.is_some() {
        return (target, None);
    }
    let depth = (th.major.value - th.basic.minor.value) / 2.0;
    let most = DIE_LEFT_MM.min(DIE_LEFT_SHARE * depth);
    let external = th.spec.side == Side::External;
    let rule = if external { &rules::LEFT_FOR_DIE } else { &rules::LEFT_FOR_TAP };
    let [stop, near] = [DIE_STOPS * most, most].map(|left| sheet.apply(rule, [target, left.into()]));
    let mut left = th.clone();
    let (low, high) = th.own.pitch;
    left.own.pitch = match external {
        true if near.value > high.value => (low, near),
        false if near.value < low.value => (near, high),
        _ => (low, high),
    };
    let voice = sheet.voice();
    let ends = voice.between(th.own.pitch.0.value, th.own.pitch.1.value);
    watch.push(Watch::new(
        Level::Note,
        Code::DieFinish,
        "gauge",
        say!(voice, "blank-left-for-die", over = voice.length((stop.value - target.value).abs()), ends = ends, by = Maker::chaser_of(th.spec.side).word()),
    ));
    (stop, Some(left))
}
