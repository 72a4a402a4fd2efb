//! Settings on a dial: turns and divisions, rounded to half a division.

use crate::job::{ReadBy, Reads, Slide};
use crate::quantity::{LengthUnit, MM_PER_INCH, plain_text};
use crate::say;
use crate::voice::Voice;
use crate::words::Vocabulary;
use crate::working::round_to_nine;
use serde::{Deserialize, Serialize};

/// Which slide carries the depth.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum SlideName {
    /// The cross-slide.
    CrossSlide,
    /// The compound.
    Compound,
}

/// The dial that carries the depth.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct DepthDial {
    /// The slide.
    pub slide: SlideName,
    /// What it is read on.
    #[serde(default, skip_serializing_if = "ReadBy::is_dial")]
    pub read_by: ReadBy,
    /// Its unit.
    pub unit: LengthUnit,
    /// One division of reading, mm.
    pub graduation_mm: f64,
    /// Divisions in a turn; 0 on a readout, which has none.
    pub divisions: f64,
    /// Reading per mm of radial depth.
    pub reading_per_radial: f64,
    /// Slide travel per mm of radial depth.
    pub travel_per_radial: f64,
    /// The words its settings are said in: never stored, told anew wherever it is read.
    #[serde(skip)]
    #[cfg_attr(feature = "schema", schema(ignore))]
    pub words: Vocabulary,
}

/// A setting of that dial.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct DialSetting {
    /// The slide.
    pub slide: SlideName,
    /// What it is read on.
    #[serde(default, skip_serializing_if = "ReadBy::is_dial")]
    pub read_by: ReadBy,
    /// Whole turns from zero.
    pub turns: u32,
    /// Divisions past them, to half a division.
    pub divisions: f64,
    /// The same as it is written, where that is not as JSON has it.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub figure: Option<String>,
    /// Divisions in a turn; 0 on a readout, which has none.
    pub of: f64,
    /// The dial's unit.
    pub unit: LengthUnit,
    /// Turns and divisions in words.
    pub text: String,
    /// The same as one reading in the dial's unit.
    pub reading: String,
}

/// Radial depth as set, slide travel, and the setting itself.
#[derive(Debug, Clone, PartialEq)]
pub struct SetDepth {
    /// Radial depth, mm.
    pub radial_mm: f64,
    /// Slide travel, mm.
    pub travel_mm: f64,
    /// The setting.
    pub setting: DialSetting,
}

impl DepthDial {
    /// The dial of `slide`; `angle_deg` is the compound's lean from the cross-slide line, 0 for the
    /// cross-slide itself.
    #[must_use]
    pub fn new(name: SlideName, slide: &Slide, angle_deg: f64) -> Self {
        let travel = 1.0 / angle_deg.to_radians().cos();
        let factor = if slide.reads == Reads::Diameter { 2.0 } else { 1.0 };
        Self {
            slide: name,
            read_by: ReadBy::Dial,
            unit: slide.unit,
            graduation_mm: slide.graduation_mm,
            divisions: slide.divisions,
            reading_per_radial: round_to_nine(travel * factor),
            travel_per_radial: round_to_nine(travel),
            words: Vocabulary::default(),
        }
    }

    /// The same, its settings said in these words.
    #[must_use]
    pub fn said_in(mut self, words: Vocabulary) -> Self {
        self.words = words;
        self
    }

    /// The same slide read on a plunger indicator that stands along it: its figures are the travel itself.
    #[must_use]
    pub fn by_indicator(mut self, unit: LengthUnit, graduation_mm: f64, divisions: f64) -> Self {
        (self.read_by, self.unit, self.graduation_mm, self.divisions, self.reading_per_radial) =
            (ReadBy::Indicator, unit, graduation_mm, divisions, self.travel_per_radial);
        self
    }

    /// The same slide read on a digital readout, in its own unit, whose last place is `resolution_mm`.
    #[must_use]
    pub fn by_readout(mut self, unit: LengthUnit, resolution_mm: f64, reads: Reads) -> Self {
        let factor = if reads == Reads::Diameter { 2.0 } else { 1.0 };
        // A readout has no turns to count: its whole figure is the setting. Half a division is its last place.
        (self.read_by, self.unit, self.graduation_mm, self.divisions, self.reading_per_radial) =
            (ReadBy::Readout, unit, 2.0 * resolution_mm, 0.0, self.travel_per_radial * factor);
        self
    }

    /// The setting nearest to a radial depth.
    #[must_use]
    pub fn nearest(&self, radial_mm: f64) -> SetDepth {
        self.at_half_divisions((radial_mm * self.reading_per_radial / self.half()).round())
    }

    /// The deepest setting not past a radial depth.
    #[must_use]
    pub fn shallow(&self, radial_mm: f64) -> SetDepth {
        // A hair of slack keeps a depth that stands exactly on a line from falling half a division short.
        self.at_half_divisions((radial_mm * self.reading_per_radial / self.half() + 1e-7).floor())
    }

    /// What the dial reads at a radial depth, in its own unit.
    #[must_use]
    pub fn reading_of_radial(&self, radial_mm: f64) -> f64 {
        radial_mm * self.reading_per_radial / self.scale()
    }

    /// Half a division, the least it is set by, as radial depth in mm.
    #[must_use]
    pub fn half_mm(&self) -> f64 {
        self.half() / self.reading_per_radial
    }

    /// Radial depth of a reading in the dial's own unit.
    #[must_use]
    pub fn radial_of_reading(&self, reading: f64) -> f64 {
        reading * self.scale() / self.reading_per_radial
    }

    /// One division, as radial depth in mm.
    #[must_use]
    pub fn division_radial_mm(&self) -> f64 {
        self.graduation_mm / self.reading_per_radial
    }

    /// One turn of the dial, as radial depth in mm.
    #[must_use]
    pub fn turn_radial_mm(&self) -> f64 {
        self.divisions * self.graduation_mm / self.reading_per_radial
    }

    fn half(&self) -> f64 {
        self.graduation_mm / 2.0
    }

    fn scale(&self) -> f64 {
        if self.unit == LengthUnit::In { MM_PER_INCH } else { 1.0 }
    }

    fn at_half_divisions(&self, halves: f64) -> SetDepth {
        let halves = halves.max(0.0);
        let reading_mm = halves * self.half();
        let turns = if self.divisions > 0.0 { (halves / 2.0 / self.divisions).floor() } else { 0.0 };
        let divisions = halves / 2.0 - turns * self.divisions;
        #[allow(clippy::cast_possible_truncation, clippy::cast_sign_loss)] // never negative, and travel is bounded
        let turns = turns as u32;
        // In the dial's own unit, whatever the page speaks.
        let own = Voice { unit: self.unit, words: self.words, ..Voice::default() };
        let plain = plain_text(divisions, 1);
        let plain = plain.trim_end_matches(".0");
        let figure = own.parted(plain);
        let reading = own.length(reading_mm);
        let text = match (self.read_by, turns) {
            (ReadBy::Readout, _) => reading.clone(),
            (_, 0) => say!(own, "setting-divisions", divisions = &*figure),
            (_, n) => say!(own, "setting-turns", turns = n, divisions = &*figure),
        };
        let figure = (figure != plain).then(|| figure.into_owned());
        SetDepth {
            radial_mm: reading_mm / self.reading_per_radial,
            travel_mm: reading_mm / self.reading_per_radial * self.travel_per_radial,
            setting: DialSetting { slide: self.slide, read_by: self.read_by, turns, divisions, figure, of: self.divisions, unit: self.unit, text, reading },
        }
    }
}
