//! A run with a die or a tap: its steps, what a reading asks for next, and what a single point leaves for one.

use super::{AGAIN_MM, NextStep, Run};
use crate::cut::{DialSetting, PassKind};
use crate::gauge::{Verdict, VerdictKind, judge_chased, judge_chased_fit};
use crate::log::ActKind;
use crate::making::Maker;
use crate::run::RunPass;
use crate::say;
use crate::voice::Voice;

impl Run {
    /// The same of a thread a die or a tap makes: more to come off is a step more.
    pub(super) fn measure_chased(&mut self, act: &ActKind, voice: Voice) {
        self.held_off = false;
        let verdict = if let Some(sized) = act.measured() {
            let read = sized.read(&self.plan, voice);
            let again = self.doubted.take().zip(read.as_ref()).is_some_and(|(was, is)| (was - is.size).abs() <= AGAIN_MM);
            let read = read.map(|r| r.with(&self.read_here));
            let verdict = judge_chased(&self.plan, sized, read.as_ref(), again, voice);
            self.doubted = read.as_ref().map(|r| r.size).filter(|_| verdict.as_ref().is_some_and(|v| !v.questions.is_empty()));
            if let (Some(read), true) = (&read, verdict.as_ref().is_some_and(|v| v.questions.is_empty())) {
                self.read_here.push([read.size, read.doubt]);
            }
            verdict.map(|v| self.before_the_mate(v, true, voice))
        } else {
            act.tried().map(|fit| super::asking_first(judge_chased_fit(&self.plan, fit, voice), act, voice))
        };
        if let Some(verdict) = &verdict {
            self.finished = verdict.verdict == VerdictKind::InLimits;
            self.proven = verdict.questions.is_empty();
            self.pick_up.clear();
            match verdict.verdict {
                VerdictKind::InLimits | VerdictKind::PastLimit => self.schedule.clear(),
                VerdictKind::TakeMore => {
                    let n = self.plan.passes.iter().map(|p| p.n).chain(self.done.iter().copied()).max().unwrap_or(0) + 1;
                    self.schedule = vec![RunPass { n, kind: PassKind::Chased, radial_mm: 0.0, side_mm: 0.0, then: None }];
                }
                VerdictKind::Unsure => {}
            }
            self.basis.clone_from(&self.schedule);
        }
        self.verdict = verdict;
    }

    /// A step of a die or a tap: of the plan's own, or run over it once more.
    pub(super) fn stage(&self, pass: RunPass, setting: DialSetting, voice: Voice) -> NextStep {
        let stage = usize::try_from(pass.n).ok().and_then(|n| self.plan.stages.get(n.checked_sub(1)?));
        let (name, says) = match stage {
            Some(stage) => (stage.name.clone(), stage.says.clone()),
            None => {
                (say!(voice, "chaser-step", code = "again"), say!(voice, "chaser-again", how = if self.plan.closes { "close" } else { self.plan.maker.word() }))
            }
        };
        NextStep { name, aloud: says.clone(), says, pass, setting, aside: None }
    }

    /// What is left for a die or a tap is right when it is as large as planned: it is no thread in its limits yet.
    pub(super) fn before_the_die(&self, verdict: Verdict, voice: Voice) -> Verdict {
        if self.plan.finished_by == Maker::SinglePoint || verdict.verdict != VerdictKind::InLimits {
            return verdict;
        }
        // Cut to the thread's own size already, nothing is left for it.
        let left = self.plan.cut_sign() * (verdict.pitch_diameter_mm.value - self.plan.target_mm) + self.plan.left_for_finishing_mm;
        if left < self.plan.left_for_finishing_mm / 3.0 {
            return verdict;
        }
        let size = voice.length(verdict.pitch_diameter_mm.value);
        Verdict { says: say!(voice, "verdict-left-for-die", by = self.plan.finished_by.word(), size = size), ..verdict }
    }
}
