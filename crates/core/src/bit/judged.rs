//! What a tool of the drawer is judged by, and what is found of it.

use crate::job::{BitFacts, Kit};
use crate::thread::form::Thread;
use crate::working::{Num, Quantity};

/// A bit of another angle than the thread's by more than this is another bit, degrees. House value.
pub(super) const OTHER_ANGLE_DEG: f64 = 0.6;

/// What is found of a tool: what stands against it, and what else is said.
#[derive(Default)]
pub(super) struct Findings {
    pub against: Vec<String>,
    pub says: Vec<String>,
    pub bends_mm: Option<Quantity>,
    pub heel_deg: Option<Quantity>,
}

/// What is settled before the drawer is judged.
pub(super) struct Inputs<'a> {
    pub facts: &'a BitFacts,
    pub kit: &'a Kit,
    pub thread: &'a Thread,
    /// Flats the form allows, least and most, mm.
    pub flats: [f64; 2],
    pub clearance: f64,
    /// Room past the end of the thread, mm.
    pub beyond: f64,
    /// Surface speed of the job, m/min.
    pub speed: f64,
    /// Force of the last cut, N.
    pub force: Option<Num>,
    /// Whether passes end by reversing with the half-nut closed.
    pub reverses: bool,
}

/// What a bar is held against.
#[derive(Clone, Copy)]
pub(super) struct Room {
    /// The bore at its smallest.
    pub bore: Num,
    /// Most a bar may span, tip to back.
    pub span: Num,
    /// How far in the bit must reach.
    pub reach: Num,
}
