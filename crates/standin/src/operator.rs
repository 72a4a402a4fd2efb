//! A scripted hand at the lathe: it waits, it does, it takes its time, and the instrument beside it suffers what it suffers.

use crate::act::{Act, Cue, Refused};
use crate::lathe::Lathe;
use crate::part::Part;
use crate::readout::{Readout, normal};
use crate::script::Step;
use std::collections::VecDeque;

/// Longest a cue is waited for, s: a script that waits for what never comes goes on.
const PATIENCE_S: f64 = 600.0;

/// Lathe, readout and the steps still to come.
#[derive(Debug, Clone)]
pub struct Operator {
    /// The lathe.
    pub lathe: Lathe,
    /// What reads it.
    pub readout: Readout,
    steps: VecDeque<Step>,
    /// What is waited for, and since when it has been.
    waits: Option<(Cue, f64)>,
    random: fastrand::Rng,
    refused: Vec<(Act, Refused)>,
    /// What is on the lathe; nothing where only air is.
    part: Option<Part>,
    measured: Vec<Option<f64>>,
}

impl Operator {
    /// With nothing to do yet.
    #[must_use]
    pub fn new(lathe: Lathe, readout: Readout, seed: u64) -> Self {
        Self {
            lathe,
            readout,
            steps: VecDeque::new(),
            waits: None,
            random: fastrand::Rng::with_seed(seed),
            refused: Vec::new(),
            part: None,
            measured: Vec::new(),
        }
    }

    /// With a part on the lathe.
    #[must_use]
    pub fn with_part(self, part: Part) -> Self {
        Self { part: Some(part), ..self }
    }

    /// What was read over wires since this was last asked, mm; nothing of what no wires rest in.
    pub fn measured(&mut self) -> Vec<Option<f64>> {
        std::mem::take(&mut self.measured)
    }

    /// Told more.
    pub fn told(&mut self, steps: impl IntoIterator<Item = Step>) {
        self.steps.extend(steps);
    }

    /// Whether all it was told is done.
    #[must_use]
    pub fn done(&self) -> bool {
        self.steps.is_empty() && self.waits.is_none()
    }

    /// Acts the lathe would not do since this was last asked.
    pub fn refused(&mut self) -> Vec<(Act, Refused)> {
        std::mem::take(&mut self.refused)
    }

    /// Goes on until a time, s, doing what comes due on the way, each at its own time.
    pub fn advance(&mut self, until_s: f64) {
        while self.lathe.now_s() < until_s {
            if let Some((cue, since)) = self.waits {
                let left = until_s - self.lathe.now_s();
                let came = match cue {
                    Cue::Seconds(s) => {
                        let at = since + s;
                        self.lathe.advance(at.min(until_s));
                        at <= until_s
                    }
                    other => self.lathe.wait(other, left),
                };
                if !came && self.lathe.now_s() - since < PATIENCE_S {
                    return;
                }
                self.waits = None;
            }
            let now = self.lathe.now_s();
            match self.steps.pop_front() {
                None => self.lathe.advance(until_s),
                Some(Step::Until(cue)) => self.waits = Some((cue, now)),
                Some(Step::Hand([mean, spread])) => self.waits = Some((Cue::Seconds((mean + spread * normal(&mut self.random)).max(0.0)), now)),
                Some(Step::Do(act)) => {
                    if let Err(why) = self.lathe.act(act) {
                        self.refused.push((act, why));
                    }
                }
                Some(Step::Measure(wire)) => {
                    let read = self.part.as_ref().and_then(|part| part.over_wires(self.lathe.track(), self.lathe.machine(), wire));
                    self.measured.push(read);
                }
                Some(Step::Instrument(trouble)) => {
                    let stands = self.lathe.stands();
                    self.readout.befalls(trouble, now, &stands);
                }
            }
        }
    }
}
