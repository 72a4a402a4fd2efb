//! Tries as they are kept with a lathe, and what was done of the learner's path.

use super::drill::Drill;
use super::hand::THROWN_AWAY;
use super::judge::Kept;
use serde::{Deserialize, Serialize};

/// Tries as kept, by the way of stopping: opening the half-nut, stopping the spindle, turning by hand.
#[derive(Debug, Clone, Default, PartialEq, Serialize, Deserialize)]
pub struct Tries {
    /// The half-nut opened.
    #[serde(default)]
    pub open: Vec<Kept>,
    /// The spindle stopped.
    #[serde(default)]
    pub spindle: Vec<Kept>,
    /// Turned by hand.
    #[serde(default)]
    pub hand: Vec<Kept>,
    /// The half-nut opened, at the lathe itself, on air.
    #[serde(default, skip_serializing_if = "Vec::is_empty")]
    pub lathe_open: Vec<Kept>,
    /// The spindle stopped, there.
    #[serde(default, skip_serializing_if = "Vec::is_empty")]
    pub lathe_spindle: Vec<Kept>,
    /// What was done of the learner's path.
    #[serde(default)]
    pub path: Progress,
}

/// Tries kept of one way of stopping: what is older says little of the hand of today. House value.
const KEPT: usize = 60;

impl Tries {
    /// Those of one way.
    #[must_use]
    pub fn of(&self, sample: &str) -> &[Kept] {
        match sample {
            "open" => &self.open,
            "spindle" => &self.spindle,
            "lathe_open" => &self.lathe_open,
            "lathe_spindle" => &self.lathe_spindle,
            _ => &self.hand,
        }
    }

    /// One more; one that is there already counts once.
    pub fn add(&mut self, sample: &str, kept: Kept) {
        let list = match sample {
            "open" => &mut self.open,
            "spindle" => &mut self.spindle,
            "lathe_open" => &mut self.lathe_open,
            "lathe_spindle" => &mut self.lathe_spindle,
            _ => &mut self.hand,
        };
        if kept.id != 0 && list.iter().any(|k| k.id == kept.id) {
            return;
        }
        list.push(kept);
        let over = list.len().saturating_sub(KEPT);
        list.drain(..over);
    }

    /// Tries of a stop that count for the hand.
    pub(super) fn counted(&self, drill: Drill) -> usize {
        drill.sample().map_or(0, |sample| self.of(sample).len().saturating_sub(THROWN_AWAY))
    }
}

/// Tries remembered for what was done running; a row is no longer.
const REMEMBERED: usize = 30;

/// What was done on the path.
#[derive(Debug, Clone, Default, PartialEq, Serialize, Deserialize)]
pub struct Progress {
    /// The last tries, in order, whether each went well.
    #[serde(default)]
    tries: Vec<Went>,
    /// Tasks done, by code: once done they stay so.
    #[serde(default)]
    done: Vec<String>,
}

/// A try and how it went.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
struct Went {
    id: u64,
    drill: Drill,
    good: bool,
}

impl Progress {
    /// How often a drill went well running, up to the last try of it.
    pub(super) fn running(&self, drill: Drill) -> usize {
        self.tries.iter().rev().filter(|t| t.drill == drill).take_while(|t| t.good).count()
    }

    pub(super) fn is_done(&self, code: &str) -> bool {
        self.done.iter().any(|done| done == code)
    }

    /// One more try; the same one told again is the one it was.
    pub(super) fn tried(&mut self, id: u64, drill: Drill, good: bool) {
        let went = Went { id, drill, good };
        match self.tries.iter_mut().find(|t| t.id == id) {
            Some(before) => *before = went,
            None => self.tries.push(went),
        }
        let over = self.tries.len().saturating_sub(REMEMBERED);
        self.tries.drain(..over);
    }

    pub(super) fn does(&mut self, code: String) {
        if !self.is_done(&code) {
            self.done.push(code);
        }
    }
}
