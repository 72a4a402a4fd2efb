//! Lost motion between what drives and what is driven: a screw and its nut, all the gears before them included.

use crate::even::{Even, SAME};

/// How much there is, and where the driven stands in it.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Play {
    /// All of it, mm.
    pub size_mm: f64,
    /// How far the driver is ahead of the driven, mm: between half of it either way.
    pub lag_mm: f64,
}

impl Play {
    /// So much of it, the driven in its middle.
    #[must_use]
    pub const fn middle(size_mm: f64) -> Self {
        Self { size_mm, lag_mm: 0.0 }
    }

    /// What the driver still moves alone, going this way, mm.
    #[must_use]
    pub fn left_mm(self, sense: f64) -> f64 {
        (self.size_mm / 2.0 - sense * self.lag_mm).max(0.0)
    }

    /// How the driven moves with its driver: not at all until the play is taken up.
    #[must_use]
    pub fn driven(self, driver: Even, at: f64) -> Even {
        if driver.sense() != 0.0 && self.left_mm(driver.sense()) < SAME { Even { at, ..driver } } else { Even::still(at) }
    }

    /// Seconds until it is taken up; `None` where it is, or the driver never comes so far.
    #[must_use]
    pub fn taken_up(self, driver: Even) -> Option<f64> {
        let (sense, left) = (driver.sense(), self.left_mm(driver.sense()));
        if sense == 0.0 || left < SAME {
            return None;
        }
        driver.first(driver.at + sense * left)
    }

    /// After the driver has moved by `driver_mm` and the driven by `driven_mm`.
    pub fn moved(&mut self, driver_mm: f64, driven_mm: f64) {
        let half = self.size_mm / 2.0;
        let lag = self.lag_mm + driver_mm - driven_mm;
        // At a face it is at that face, not within a rounding of it.
        self.lag_mm = if (lag.abs() - half).abs() < SAME { half.copysign(lag) } else { lag.clamp(-half, half) };
    }
}
