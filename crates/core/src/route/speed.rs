//! Speeds of a route's operations, by the material and this lathe's own steps, and the minutes they take.

use super::Member;
use super::line::{CardLine, words};
use crate::quantity::plain_text;
use crate::say;
use std::f64::consts::PI;

/// Surface speed of plain turning over that of threading. House value: threading is run at about two fifths.
const TURNING_TIMES: f64 = 2.5;
/// Share of the turning speed a broad tool, a form or a parting blade stands. House value.
pub(super) const BROAD: f64 = 0.5;

/// Minutes of an operation: once to set it up, and each time it is done.
#[derive(Debug, Clone, Copy, Default, PartialEq)]
pub struct Minutes {
    /// Setting the tool, the gears, the stop.
    pub set: f64,
    /// Doing it.
    pub each: f64,
}

impl Member<'_> {
    /// That speed as it is said: a crank has none.
    pub(super) fn speed(&self, diameter_mm: f64, share: f64) -> CardLine {
        let voice = self.plan.voice;
        let says =
            if self.lathe.cranked() { say!(voice, "speed-cranked") } else { say!(voice, "speed-rpm", rpm = plain_text(self.rpm(diameter_mm, share), 0)) };
        words(say!(voice, "line-of-speed"), says)
    }

    /// Spindle speed for work of this diameter, mm, at a share of the turning speed.
    pub(super) fn rpm(&self, diameter_mm: f64, share: f64) -> f64 {
        let surface = self.facts.blank.material.hss_m_per_min * TURNING_TIMES * share;
        self.lathe.speeds.under(surface * 1000.0 / (PI * diameter_mm.max(0.5)))
    }

    /// Whether a die finishes its thread, so that what the single point leaves is not its size yet.
    pub(super) fn finished_by_die(&self) -> bool {
        self.facts.blank.die_finish
    }

    pub(crate) fn blank_mm(&self) -> f64 {
        self.plan.blank.used_mm.value
    }
}
