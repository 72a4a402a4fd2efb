//! A train as hung, and a row of the list of trains.

use crate::drive::{Drive, Gear, Mounted};
use crate::quantity::Ratio;
use serde::Serialize;

/// Tooth counts of one side of a train as they are written: 40·100.
#[must_use]
pub fn counts(teeth: &[u16]) -> String {
    teeth.iter().map(u16::to_string).collect::<Vec<_>>().join("·")
}

/// The tooth counts wanted that are not there, each one there serving once.
pub fn not_among(wanted: impl Iterator<Item = u16>, there: &[u16]) -> Vec<u16> {
    let mut left = there.to_vec();
    wanted
        .filter(|teeth| match left.iter().position(|t| t == teeth) {
            Some(i) => {
                left.swap_remove(i);
                false
            }
            None => true,
        })
        .collect()
}

/// Gears that come off those mounted, and gears that go on: none of either only where the train hung is the train wanted.
pub fn changes(drivers: impl ExactSizeIterator<Item = u16>, driven: impl ExactSizeIterator<Item = u16>, mounted: &Mounted) -> [usize; 2] {
    let wanted = drivers.len() + driven.len();
    let on = not_among(drivers, &mounted.drivers).len() + not_among(driven, &mounted.driven).len();
    // What is wanted and need not be hung stays; all the rest of what hangs comes off.
    [mounted.drivers.len() + mounted.driven.len() + on - wanted, on]
}

/// A train as hung, spindle end first.
#[derive(Debug, Clone, PartialEq, Eq, PartialOrd, Ord)]
pub struct Train {
    /// Drivers.
    pub drivers: Vec<Gear>,
    /// Driven gears.
    pub driven: Vec<Gear>,
    /// Index of the gearbox position.
    pub gearbox: usize,
}

impl Train {
    /// Leadscrew turns per spindle turn, gearbox and fixed ratio included, exact.
    #[must_use]
    pub fn ratio(&self, drive: &Drive) -> Ratio {
        let product = |gears: &[Gear]| gears.iter().map(|g| i128::from(g.teeth)).product::<i128>();
        let levers = drive.gearbox.get(self.gearbox).map_or_else(|| Ratio::from_integer(1), |p| p.ratio.0);
        Ratio::new(product(&self.drivers), product(&self.driven)) * levers * drive.fixed
    }

    /// Gears that come off those mounted and gears that go on, together.
    #[must_use]
    pub fn swaps(&self, mounted: &Mounted) -> usize {
        changes(self.drivers.iter().map(|g| g.teeth), self.driven.iter().map(|g| g.teeth), mounted).iter().sum()
    }

    /// The gears of the drawer this train leaves over; those joined in one piece with a gear of it are not.
    #[must_use]
    pub fn spare(&self, drive: &Drive) -> Vec<Gear> {
        let mut left = drive.gears.clone();
        for gear in self.drivers.iter().chain(&self.driven) {
            if let Some(i) = left.iter().position(|g| g == gear) {
                left.remove(i);
            }
        }
        left.sort_unstable();
        left
    }
}

impl TrainRow {
    /// In short: its tooth counts, drivers over driven, or the lever where the gears cannot be changed.
    #[must_use]
    pub fn short(&self) -> String {
        if self.drivers.is_empty() { self.gearbox.clone() } else { format!("{}/{}", counts(&self.drivers), counts(&self.driven)) }
    }
}

/// One train of the list.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct TrainRow {
    /// Drivers, spindle end first.
    pub drivers: Vec<u16>,
    /// Driven gears, spindle end first.
    pub driven: Vec<u16>,
    /// Gearbox position.
    pub gearbox: String,
    /// Leadscrew turns per spindle turn, exact.
    pub ratio: String,
    /// Lead cut.
    pub lead_mm: f64,
    /// Lead error.
    pub error_ppm: f64,
    /// The error as it is said.
    pub error_text: String,
    /// Whether it hangs; absent geometry leaves this null.
    pub fits: Option<bool>,
    /// `bench_rule` when there is no geometry to go by; `seen` when it was tried on the arm nobody measured.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub fit_basis: Option<&'static str>,
    /// What is in the way.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub why_not: Option<String>,
    /// First idler put in, to bridge a gap or to turn the leadscrew the right way.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub idler: Option<u16>,
    /// All of them, spindle end first.
    #[serde(skip_serializing_if = "Vec::is_empty")]
    pub idlers: Vec<u16>,
    /// Gears that come off the drive and gears that go on, together.
    pub swaps: usize,
    /// Whether no train of these gears comes closer.
    pub closest: bool,
}
