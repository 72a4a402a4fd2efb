//! A coordinate whose rate changes evenly: between two events everything at the lathe moves so, and is known at any time without stepping.

use std::ops::{Add, Mul, Sub};

/// Times and places nearer than this are one, in their own unit.
pub const SAME: f64 = 1e-9;

/// Where it is, how fast it moves, and how fast that changes; in units, units a second and units a second a second.
#[derive(Debug, Clone, Copy, Default, PartialEq)]
pub struct Even {
    /// Place.
    pub at: f64,
    /// Rate.
    pub rate: f64,
    /// Change of the rate.
    pub change: f64,
}

impl Even {
    /// Standing still.
    #[must_use]
    pub const fn still(at: f64) -> Self {
        Self { at, rate: 0.0, change: 0.0 }
    }

    /// The same so many seconds later.
    #[must_use]
    pub fn after(self, s: f64) -> Self {
        Self { at: self.at + s * (self.rate + s * self.change / 2.0), rate: self.rate + s * self.change, change: self.change }
    }

    /// Which way it moves, or is about to: −1, 0 or 1.
    #[must_use]
    pub fn sense(self) -> f64 {
        let moves = if self.rate.abs() > SAME { self.rate } else { self.change };
        if moves.abs() > SAME { moves.signum() } else { 0.0 }
    }

    /// Seconds until it first comes to a place; nought where it stands there, `None` where it never does.
    #[must_use]
    pub fn first(self, place: f64) -> Option<f64> {
        let gap = place - self.at;
        if gap.abs() < SAME {
            return Some(0.0);
        }
        self.crossings(gap).into_iter().flatten().filter(|s| *s > 0.0).min_by(f64::total_cmp)
    }

    /// Seconds, before and after now, at which it has moved by `gap`. The root that would lose its figures is had from the other.
    fn crossings(self, gap: f64) -> [Option<f64>; 2] {
        let (a, b) = (self.change / 2.0, self.rate);
        if a.abs() < SAME * SAME {
            return [(b.abs() > SAME * SAME).then(|| gap / b), None];
        }
        let under = b * b + 4.0 * a * gap;
        if under < 0.0 {
            return [None; 2];
        }
        let q = -(b + b.signum() * under.sqrt()) / 2.0;
        [Some(q / a), (q.abs() > SAME * SAME).then(|| -gap / q)]
    }
}

impl Add for Even {
    type Output = Self;
    fn add(self, other: Self) -> Self {
        Self { at: self.at + other.at, rate: self.rate + other.rate, change: self.change + other.change }
    }
}

impl Mul<f64> for Even {
    type Output = Self;
    fn mul(self, by: f64) -> Self {
        Self { at: self.at * by, rate: self.rate * by, change: self.change * by }
    }
}

impl Sub for Even {
    type Output = Self;
    fn sub(self, other: Self) -> Self {
        self + other * -1.0
    }
}
