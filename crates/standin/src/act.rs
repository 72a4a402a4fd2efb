//! What a hand does at the lathe, and what it waits for.

use serde::{Deserialize, Serialize};

/// One of the slides that carry the tool.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
pub enum Slide {
    /// The cross-slide.
    Cross,
    /// The compound.
    Compound,
}

/// One act.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
pub enum Act {
    /// The spindle is set going, turns a second, reversed under nought; stopped at nought.
    Spindle(f64),
    /// The spindle is turned by hand: so many turns, and how many a second.
    Turn([f64; 2]),
    /// The half-nut is pressed: it falls where it can.
    Close,
    /// The half-nut is opened.
    Open,
    /// The gears are parted and meshed again, the leadscrew so much of a turn from where it was.
    Part(f64),
    /// The carriage is wound by its handwheel to a place, mm, and how fast, mm a second.
    Wind([f64; 2]),
    /// A slide is wound until its dial shows so much, mm, and how fast, mm a second.
    Feed(Slide, [f64; 2]),
    /// A slide's dial is set to nought.
    Zero(Slide),
    /// The groove is found by tip and flanks, and all goes on from where it stands now.
    PickUp,
    /// The start meant from now on; the first is 0.
    Start(u32),
}

/// What is waited for.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
pub enum Cue {
    /// So many seconds.
    Seconds(f64),
    /// The carriage comes to a place, mm.
    Place(f64),
    /// The dial comes to a mark, counted from the one first used.
    Mark(u16),
    /// The spindle has turned so far from where it began, turns.
    Turned(f64),
    /// Nothing moves any more.
    Still,
}

/// Why an act could not be done: nothing has changed then.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Refused {
    /// The carriage cannot be wound while the half-nut holds it.
    HalfNutHolds,
    /// Not a number anything could move by.
    NoNumber,
}
