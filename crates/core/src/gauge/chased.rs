//! What a reading says of a thread made by a die or a tap: no dial sets its size, so what is asked next is the die closed, or another tap.

use super::estimate::Observation;
use super::reading::{GaugeResult, Measured, Read};
use super::verdict::{PitchDiameter, Verdict, VerdictKind};
use crate::making::Maker;
use crate::run::RunPlan;
use crate::say;
use crate::thread::{Fit, Side};
use crate::voice::Voice;

/// A size so far off the limits, as a share of the thread's depth, is asked after before it counts. House value.
const FAR_SHARE: f64 = 0.5;

/// What to do where more must come off.
fn more(run: &RunPlan, by: Option<f64>, voice: Voice) -> String {
    let how = match (run.maker, run.closes) {
        (Maker::Tap, _) => "tap",
        (_, true) => "close",
        _ => "fixed",
    };
    match by {
        Some(by) => say!(voice, "chased-more-by", by = voice.length(by), how = how),
        None => say!(voice, "chased-more", how = how),
    }
}

fn past(run: &RunPlan, by: f64, voice: Voice) -> String {
    say!(voice, "chased-past", by = voice.length(by), maker = run.maker.word())
}

/// A size read, or a plug or ring tried.
pub(crate) fn judge_chased(run: &RunPlan, reading: &Measured, read: Option<&Read>, again: bool, voice: Voice) -> Option<Verdict> {
    let middle = f64::midpoint(run.limits_mm[0], run.limits_mm[1]);
    let band = (run.limits_mm[1] - run.limits_mm[0]) / 2.0;
    if let Some(plug) = reading.plug {
        let about = PitchDiameter { value: middle, doubt: band };
        return Some(match plug {
            GaugeResult::GoGoes => Verdict::new(VerdictKind::InLimits, about, say!(voice, "verdict-go-goes")),
            GaugeResult::NotGoGoes => {
                let value = PitchDiameter { value: run.far_limit(), doubt: band };
                Verdict::new(VerdictKind::PastLimit, value, say!(voice, "verdict-not-go-goes"))
            }
            GaugeResult::GoStops => Verdict::new(VerdictKind::TakeMore, PitchDiameter { value: run.near_limit(), doubt: band }, more(run, None, voice)),
        });
    }
    let read = read?;
    let Some(Observation::Size { mm, doubt_mm }) = reading.seen(run, Some(read)) else { return None };
    let size = PitchDiameter { value: mm, doubt: doubt_mm };
    // Metal still to come off, and what is left of the tolerance, on the pitch diameter.
    let [to_come, to_spare] = [run.cut_sign() * (mm - run.near_limit()), run.cut_sign() * (mm - run.far_limit())];
    let far = FAR_SHARE * (run.start_mm - middle).abs().max(band);
    if !again && (to_come > far + band || to_spare < -(far + band)) {
        let question = say!(voice, "chased-far", size = voice.length(mm), low = voice.length(run.limits_mm[0]), high = voice.length(run.limits_mm[1]));
        return Some(Verdict { questions: vec![question], ..Verdict::new(VerdictKind::Unsure, size, say!(voice, "verdict-told-again")) });
    }
    Some(if to_come > doubt_mm {
        Verdict::new(VerdictKind::TakeMore, size, more(run, Some(to_come), voice))
    } else if to_spare < -doubt_mm {
        Verdict::new(VerdictKind::PastLimit, size, past(run, -to_spare, voice))
    } else if to_come <= -doubt_mm && to_spare >= doubt_mm {
        Verdict::new(VerdictKind::InLimits, size, say!(voice, "chased-in-limits", size = voice.length(mm), doubt = voice.length(doubt_mm)))
    } else {
        Verdict::new(VerdictKind::Unsure, size, say!(voice, "chased-unsure", doubt = voice.length(doubt_mm)))
    })
}

/// The mate tried.
pub(crate) fn judge_chased_fit(run: &RunPlan, fit: Fit, voice: Voice) -> Verdict {
    let band = (run.limits_mm[1] - run.limits_mm[0]) / 2.0;
    let about = |value: f64| PitchDiameter { value, doubt: band };
    let middle = f64::midpoint(run.limits_mm[0], run.limits_mm[1]);
    let [_, loosest] = run.clearance();
    let mate = if run.side == Side::External { "nut" } else { "screw" };
    match fit {
        Fit::Free => Verdict::new(VerdictKind::InLimits, about(middle), say!(voice, "chased-free", mate = mate)),
        Fit::Shakes { shake_mm } if shake_mm > loosest => {
            Verdict::new(VerdictKind::PastLimit, about(run.far_limit()), say!(voice, "chased-shakes", mate = mate, most = voice.length(loosest)))
        }
        Fit::Shakes { .. } => Verdict::new(VerdictKind::InLimits, about(middle), say!(voice, "chased-free", mate = mate)),
        // Laid on home it was not run on: that it goes is not known yet.
        Fit::LaidOn { .. } if fit.goes() => Verdict::new(VerdictKind::Unsure, about(middle), say!(voice, "verdict-sits-home")),
        Fit::WontEnter | Fit::Enters { .. } | Fit::Tight | Fit::LaidOn { .. } => {
            let says = say!(voice, "chased-tight", mate = mate, more = more(run, None, voice));
            Verdict::new(VerdictKind::TakeMore, about(run.near_limit()), says)
        }
    }
}
