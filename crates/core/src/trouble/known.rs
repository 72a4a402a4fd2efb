//! What is known of a job in trouble: its finished plan, what it was reckoned from, and its run.

use crate::job::{Job, Lathe};
use crate::log::{Act, ActKind, RunState};
use crate::plan::{Pointed, State};
use crate::thread::{Fit, Side, Touched};
use crate::voice::Voice;
use crate::watch::Code;
use crate::watch::Level;

/// All that a rule may look at.
pub struct JobEvidence<'a> {
    /// The plan of a single point, finished.
    pub plan: Pointed<'a>,
    /// The facts it was reckoned from.
    pub job: &'a Job,
    /// The lathe.
    pub lathe: &'a Lathe,
    /// How its run stands; absent before the first pass.
    pub run: Option<&'a RunState>,
    /// Its acts, in order, those taken back left out.
    pub acts: Vec<&'a Act>,
}

impl<'a> JobEvidence<'a> {
    /// A job and its run.
    #[must_use]
    pub fn of((plan, job, lathe): (Pointed<'a>, &'a Job, &'a Lathe), run: Option<&'a RunState>, acts: &'a [Act]) -> Self {
        Self { plan, job, lathe, run, acts: crate::log::standing(acts) }
    }

    /// What is said of it is spoken in.
    pub(super) const fn voice(&self) -> Voice {
        self.job.voice
    }

    pub(super) fn screw(&self) -> bool {
        self.plan.thread.side == Side::External
    }

    /// Room there is on the pitch diameter, mm.
    pub(super) fn room(&self) -> f64 {
        let [low, high] = self.plan.run.limits_mm;
        (high - low).max(1e-3)
    }

    /// What the stations say under one of these codes, at one of these levels.
    pub(super) fn watch(&self, codes: &[Code], least: Level) -> Option<String> {
        self.plan.watch.iter().find(|w| w.level <= least && codes.contains(&w.code)).map(|w| w.text.clone())
    }

    /// How a line of the check stands, and what it says.
    pub(super) fn check(&self, code: &str) -> Option<(State, &str)> {
        self.plan.check.lines.iter().find(|l| l.code == code).map(|l| (l.state, l.says.as_str()))
    }

    /// Acts since the thread was last cut.
    fn since_cut(&self) -> impl Iterator<Item = &'a Act> + '_ {
        let cuts = |a: &Act| matches!(a.kind, ActKind::PassDone { .. } | ActKind::Took { .. } | ActKind::StandsAt { .. } | ActKind::Sprung {});
        let from = self.acts.iter().rposition(|a| cuts(a)).map_or(0, |i| i + 1);
        self.acts.iter().skip(from).copied()
    }

    /// How the mate went last, since it was last cut.
    pub(super) fn fit(&self) -> Option<Fit> {
        self.since_cut().filter_map(|a| a.kind.tried()).last()
    }

    /// What met before the threads did when it was tried last, where that was told.
    pub(super) fn touched(&self) -> Option<Touched> {
        self.since_cut().filter(|a| a.kind.tried().is_some()).last()?.kind.touched()
    }

    /// Whether the mate was tried since the last cut, and does not go.
    pub(super) fn does_not_go(&self) -> bool {
        self.fit().is_some_and(|fit| !fit.goes())
    }

    /// How far a pass ran past its mark, at most, mm, where one was told to.
    pub(super) fn overran(&self) -> Option<f64> {
        self.run?.overran_mm.iter().copied().reduce(f64::max)
    }

    /// What was asked of the size read last, when it was questioned; a question about the mate, told after it, is none about the size.
    pub(super) fn size_asked(&self) -> Option<String> {
        let told = self.since_cut().filter(|a| a.kind.tried().is_some() || a.kind.measured().is_some()).last()?;
        let verdict = self.run?.verdict.as_ref()?;
        (told.kind.tried().is_none() && !verdict.questions.is_empty()).then(|| verdict.questions.join(" "))
    }

    /// The size read last since it was cut, and its doubt, mm; a reading in question is none.
    pub(super) fn size(&self, voice: Voice) -> Option<(f64, f64)> {
        let read =
            self.since_cut().filter_map(|a| a.kind.measured()).filter_map(|m| Some((m.size(self.plan.run, voice)?, m.spread_mm.unwrap_or(0.0)))).last()?;
        let asked = self.size_asked().is_some();
        (!asked).then_some((read.0, read.1.max(crate::run::READING_DOUBT_MM)))
    }

    /// How much metal is left to the near limit, mm on the pitch diameter, as last read; under nought within the limits.
    pub(super) fn left(&self, voice: Voice) -> Option<f64> {
        let run = &self.plan.run;
        self.size(voice).map(|(size, _)| run.cut_sign() * (size - run.near_limit()))
    }

    /// Whether it was read within its limits since it was last cut.
    pub(super) fn reads_good(&self, voice: Voice) -> bool {
        let run = &self.plan.run;
        self.size(voice).is_some_and(|(s, _)| s >= run.limits_mm[0] && s <= run.limits_mm[1])
    }

    /// What a mate feels of lead and flanks together, mm.
    pub(super) fn hidden(&self) -> f64 {
        self.plan.run.hidden_mm[0] + self.flanks()
    }

    /// What a mate feels of the flanks, mm: by two wires, else by the bit as told.
    pub(super) fn flanks(&self) -> f64 {
        self.run.and_then(|r| r.flank.as_ref()).map_or(self.plan.run.hidden_mm[1], |f| f.feels_mm)
    }

    pub(super) fn did(&self, what: impl Fn(&ActKind) -> bool) -> bool {
        self.acts.iter().any(|a| what(&a.kind))
    }

    /// What was noted with a step of the set-up, as a number.
    pub(super) fn noted(&self, step: &str) -> Option<f64> {
        let noted = self.run?.ticks.get(step)?.noted.as_deref()?;
        crate::quantity::parse_length(noted, crate::quantity::LengthUnit::Mm).ok().map(|l| crate::quantity::real(&l.mm))
    }
}
