//! A readout that stands in: it sees the lathe's places every so often and says them, a line of text each time, as such instruments do.

use crate::script::Trouble;
use crate::track::Stretch;

/// What an axis of it sees.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Sees {
    /// The carriage along the bed.
    Carriage,
    /// The cross-slide.
    Cross,
    /// The compound along its own way.
    Compound,
}

/// An axis as it is fitted.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Axis {
    /// What it sees.
    pub sees: Sees,
    /// Whether it counts the other way.
    pub reversed: bool,
    /// Whether it shows diameter.
    pub diameter: bool,
}

/// What it says, as told when it was set up.
#[derive(Debug, Clone, PartialEq)]
pub struct Readout {
    /// Its axes in the order it says them.
    pub axes: Vec<Axis>,
    /// What a line looks like: `{0}`, `{1}`, … stand for the axes, `{u}` for the unit, all else for itself.
    pub line: String,
    /// Inches, else mm.
    pub inches: bool,
    /// Places after the point.
    pub places: usize,
    /// How unsteady it is, mm.
    pub noise_mm: f64,
    /// Where it counts from, mm, axis by axis.
    zero_mm: Vec<f64>,
    /// Silent until, s; for good where it is cut.
    silent_s: f64,
    random: fastrand::Rng,
}

impl Readout {
    /// With these axes and this line, in mm to a hundredth and steady; whatever is random about it follows from the seed.
    #[must_use]
    pub fn new(axes: Vec<Axis>, line: impl Into<String>, seed: u64) -> Self {
        let zero_mm = vec![0.0; axes.len()];
        let (line, random) = (line.into(), fastrand::Rng::with_seed(seed));
        Self { axes, line, inches: false, places: 3, noise_mm: 0.0, zero_mm, silent_s: 0.0, random }
    }

    /// What befalls it at a time.
    pub fn befalls(&mut self, trouble: Trouble, now_s: f64, stands: &Stretch) {
        match trouble {
            Trouble::Gap(s) => self.silent_s = self.silent_s.max(now_s + s),
            Trouble::Cut => self.silent_s = f64::INFINITY,
            Trouble::Noise(mm) => self.noise_mm = mm,
            Trouble::Inches(inches) => {
                self.inches = inches;
                self.places = if inches { 4 } else { 3 };
            }
            Trouble::Zero => self.zero_mm = self.axes.iter().map(|axis| place(axis, stands)).collect(),
        }
    }

    /// Whether it says nothing, and never will again.
    #[must_use]
    pub fn is_cut(&self) -> bool {
        self.silent_s.is_infinite()
    }

    /// What it shows, axis by axis, in its own unit; nothing while it is silent.
    pub fn shows(&mut self, now_s: f64, stands: &Stretch) -> Option<Vec<f64>> {
        if now_s < self.silent_s {
            return None;
        }
        let axes = self.axes.clone();
        let shown = axes.iter().zip(self.zero_mm.clone()).map(|(axis, zero)| {
            let mm = (place(axis, stands) - zero) * if axis.diameter { 2.0 } else { 1.0 } * if axis.reversed { -1.0 } else { 1.0 };
            (mm + self.noise_mm * normal(&mut self.random)) / if self.inches { 25.4 } else { 1.0 }
        });
        Some(shown.collect())
    }

    /// A line of text; nothing while it is silent.
    pub fn says(&mut self, now_s: f64, stands: &Stretch) -> Option<String> {
        let shown = self.shows(now_s, stands)?;
        let unit = if self.inches { "in" } else { "mm" };
        let line = shown.iter().enumerate().fold(self.line.replace("{u}", unit), |line, (i, v)| {
            let text = format!("{:+.*}", self.places, v);
            line.replace(&format!("{{{i}}}"), &text)
        });
        Some(line)
    }
}

fn place(axis: &Axis, stands: &Stretch) -> f64 {
    match axis.sees {
        Sees::Carriage => stands.carriage.at,
        Sees::Cross => stands.slides[0].at,
        Sees::Compound => stands.slides[1].at,
    }
}

/// Normally distributed about nought, spread 1 (Box and Muller).
#[must_use]
pub fn normal(random: &mut fastrand::Rng) -> f64 {
    let (u, v) = (1.0 - random.f64(), random.f64());
    (-2.0 * u.ln()).sqrt() * (std::f64::consts::TAU * v).cos()
}
