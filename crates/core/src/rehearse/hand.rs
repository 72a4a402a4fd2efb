//! The hand as it was found: how long after the mark it acts, and what that asks of the room past the mark.
//!
//! Opening the half-nut and stopping the spindle are two samples, never pooled: whoever asks gives the tries of one.

use crate::log::mean_and_spread;
use statrs::distribution::{ContinuousCDF, StudentsT};

/// Tries at the beginning that are thrown away: the first show what the drill is, not what the hand does.
pub const THROWN_AWAY: usize = 2;
/// Fewest tries that count before anything is said of a hand.
pub const FEWEST: usize = 8;
/// Passes in which the room is to be passed once.
pub const ONCE_IN: f64 = 1000.0;
/// Share of passes that may stop short before the mark is moved. House value.
pub const SHORT_SHARE: f64 = 0.05;

/// One stop, as it was made.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Stop {
    /// Where the carriage came to rest past the mark, mm; under nought before it.
    pub past_mm: f64,
    /// Lead, mm.
    pub lead_mm: f64,
    /// Turns a second of the spindle.
    pub rps: f64,
    /// Turns it coasted; nought where the half-nut was opened.
    pub coast_turns: f64,
}

impl Stop {
    /// How long after the mark the hand acted, s: what coasted taken out. Under nought before the mark.
    #[must_use]
    pub fn late_s(&self) -> f64 {
        (self.past_mm - self.coast_turns * self.lead_mm) / (self.lead_mm * self.rps)
    }
}

/// A hand, from tries of one kind.
#[derive(Debug, Clone, PartialEq)]
pub struct Hand {
    /// Tries it rests on.
    pub tries: usize,
    /// Their mean, s.
    pub mean_s: f64,
    /// Their spread, s.
    pub spread_s: f64,
    /// Doubt of the mean, s: nineteen times in twenty it lies so near.
    pub doubt_s: f64,
    /// Share that stopped short of the mark.
    pub short: f64,
    /// What is passed once in a thousand passes, s: never under the worst try.
    pub reckoned_s: f64,
    /// What all but one in twenty are later than, s.
    early_s: f64,
}

/// How many spreads over the mean one try more lies under with this chance, from so many tries.
#[must_use]
pub fn spreads(chance: f64, tries: usize) -> f64 {
    #[allow(clippy::cast_precision_loss)] // tries of a hand
    let n = tries as f64;
    StudentsT::new(0.0, 1.0, (n - 1.0).max(1.0)).map_or(f64::INFINITY, |t| t.inverse_cdf(chance)) * (1.0 + 1.0 / n).sqrt()
}

impl Hand {
    /// From all stops of one kind in their order, the first of them thrown away; `None` before there are enough.
    #[must_use]
    #[allow(clippy::cast_precision_loss)] // tries of a hand
    pub fn of(stops: &[Stop]) -> Option<Self> {
        let counted = stops.get(THROWN_AWAY..).filter(|c| c.len() >= FEWEST)?;
        let late: Vec<f64> = counted.iter().map(Stop::late_s).collect();
        let [mean_s, spread_s] = mean_and_spread(late.iter().copied());
        let (n, q) = (late.len(), spreads(1.0 - 1.0 / ONCE_IN, late.len()));
        // A hand that never comes before the mark is skewed: its logarithm is not.
        let reckoned = if late.iter().all(|t| *t > 0.0) {
            let [mean, spread] = mean_and_spread(late.iter().map(|t| t.ln()));
            (mean + q * spread).exp()
        } else {
            mean_s + q * spread_s
        };
        let one = spreads(0.975, n) / (1.0 + 1.0 / n as f64).sqrt();
        Some(Self {
            tries: n,
            mean_s,
            spread_s,
            doubt_s: one * spread_s / (n as f64).sqrt(),
            short: counted.iter().filter(|s| s.past_mm < 0.0).count() as f64 / n as f64,
            reckoned_s: late.iter().copied().fold(reckoned, f64::max),
            early_s: mean_s - spreads(1.0 - SHORT_SHARE, n) * spread_s,
        })
    }

    /// How far into the relief the mark is to be moved so that no more than one in twenty stops short, mm.
    #[must_use]
    pub fn mark_moves_mm(&self, lead_mm: f64, rps: f64, coast_turns: f64) -> f64 {
        if self.short <= SHORT_SHARE {
            return 0.0;
        }
        (-(self.early_s * rps + coast_turns) * lead_mm).max(0.0)
    }

    /// Room past the mark that is passed once in a thousand passes, mm, the mark moved where it must be.
    #[must_use]
    pub fn room_mm(&self, lead_mm: f64, rps: f64, coast_turns: f64) -> f64 {
        lead_mm * rps * self.reckoned_s + coast_turns * lead_mm + self.mark_moves_mm(lead_mm, rps, coast_turns)
    }

    /// The fastest of some speeds, turns a second, that keeps to a room, mm; `coast` gives the turns coasted from each.
    #[must_use]
    pub fn fastest(&self, speeds: impl IntoIterator<Item = f64>, lead_mm: f64, room_mm: f64, coast: impl Fn(f64) -> f64) -> Option<f64> {
        speeds.into_iter().filter(|rps| self.room_mm(lead_mm, *rps, coast(*rps)) <= room_mm + 1e-9).max_by(f64::total_cmp)
    }
}

/// In how many times passing the room happens once over so many passes: one in a thousand each.
#[must_use]
pub fn once_in(passes: u32) -> f64 {
    1.0 / (1.0 - (1.0 - 1.0 / ONCE_IN).powf(f64::from(passes)))
}
