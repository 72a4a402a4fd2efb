//! What happened, whole: every stretch between two events, and the events.

use crate::act::Act;
use crate::even::Even;
use crate::machine::Machine;

/// How the half-nut stands.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Nut {
    /// Open.
    Open,
    /// Pressed, and riding on the screw until a tooth comes.
    Riding,
    /// Closed, so many leadscrew pitches from where it was closed first.
    Closed(i64),
}

/// A stretch in which everything moves evenly.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Stretch {
    /// From, s.
    pub from_s: f64,
    /// Until, s.
    pub until_s: f64,
    /// Turns of the spindle.
    pub spindle: Even,
    /// Place of the carriage.
    pub carriage: Even,
    /// Leadscrew pitches the dial has counted since the half-nut was closed first; nought before.
    pub counted: Even,
    /// Places of the slides.
    pub slides: [Even; 2],
    /// What their dials show.
    pub dials: [Even; 2],
    /// The half-nut.
    pub nut: Nut,
}

impl Stretch {
    /// Everything at a time inside it.
    #[must_use]
    pub fn at(&self, s: f64) -> Self {
        let by = s - self.from_s;
        let [slides, dials] = [self.slides, self.dials].map(|two| two.map(|e| e.after(by)));
        let [spindle, carriage, counted] = [self.spindle, self.carriage, self.counted].map(|e| e.after(by));
        Self { from_s: s, spindle, carriage, counted, slides, dials, ..*self }
    }

    /// The same with nothing moving.
    #[must_use]
    pub fn stopped(&self) -> Self {
        let still = |e: Even| Even::still(e.at);
        let [slides, dials] = [self.slides, self.dials].map(|two| two.map(still));
        Self { spindle: still(self.spindle), carriage: still(self.carriage), counted: still(self.counted), slides, dials, ..*self }
    }

    /// The tip: along the bed and in depth.
    #[must_use]
    pub fn tip(&self, machine: &Machine) -> [Even; 2] {
        machine.tip(self.carriage, self.slides)
    }

    /// Whether nothing moves.
    #[must_use]
    pub fn rests(&self) -> bool {
        [self.spindle, self.carriage].iter().chain(&self.dials).all(|e| e.sense() == 0.0)
    }
}

/// Something that happened.
#[derive(Debug, Clone, Copy, PartialEq)]
pub enum What {
    /// The hand did this.
    Did(Act),
    /// The half-nut fell, so many pitches from where it was closed first; the start then meant.
    Fell(i64, u32),
    /// It was pressed too late, or where nothing fits, and rides.
    Rides,
    /// The spindle stands.
    Stopped,
    /// The groove was picked up by its flank, so far from the one the screw drives in a cut, mm.
    PickedUp(f64),
}

/// When it did.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Happened {
    /// s.
    pub at_s: f64,
    /// What.
    pub what: What,
}

/// All of it so far.
#[derive(Debug, Clone, Default, PartialEq)]
pub struct Track {
    /// Stretch by stretch, without a gap.
    pub stretches: Vec<Stretch>,
    /// Events in their order.
    pub happened: Vec<Happened>,
}

impl Track {
    /// Everything at a time: before the first stretch as it began, after the last as it was left.
    #[must_use]
    pub fn at(&self, s: f64) -> Option<Stretch> {
        let after = self.stretches.partition_point(|stretch| stretch.until_s <= s);
        let stretch = self.stretches.get(after).or(self.stretches.last())?;
        Some(stretch.at(s.clamp(stretch.from_s, stretch.until_s)))
    }
}
