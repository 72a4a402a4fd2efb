//! How an axis counts, learned by winding it: one turn of the dial, away from the operator; the carriage toward the headstock.

use super::told::{AxisName, Counts};
use crate::job::{Lathe, Reads, Slide};
use crate::quantity::{MM_PER_INCH, plain_text};
use crate::say;
use crate::voice::Voice;
use serde::{Deserialize, Serialize};

/// How far a turn of the dial may be from what the readout makes of it, as a factor. House value: a turn is set to the line by eye.
const NEAR: f64 = 1.08;
/// Least the carriage is wound to tell its way, mm. House value.
const LEAST_MM: f64 = 1.0;

/// An axis as it was wound.
#[derive(Debug, Clone, Copy, Default, PartialEq, Deserialize)]
#[serde(default, deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Wound {
    /// Its figure before, as the line has it.
    pub from: f64,
    /// And after.
    pub to: f64,
    /// Whether the line says inches, or millimetres; absent where it says neither.
    pub sent_inches: Option<bool>,
    /// Of the carriage: whether the slides count inches.
    pub inches: bool,
}

/// What came of it.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct WoundView {
    /// How it counts; absent where it must be asked.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub counts: Option<Counts>,
    /// What was found, or why nothing was.
    pub says: String,
}

/// Travel of a slide in one turn of its dial, mm.
fn turn_mm(slide: &Slide) -> f64 {
    slide.graduation_mm * slide.divisions / if slide.reads == Reads::Diameter { 2.0 } else { 1.0 }
}

impl Counts {
    /// How an axis counts, in a sentence.
    #[must_use]
    pub fn says(self, axis: AxisName, voice: Voice) -> String {
        let unit = if self.inches { "in" } else { "mm" };
        let (shows, falls) = (if self.diameter { "diameter" } else { "travel" }, if self.falls { "falls" } else { "rises" });
        say!(voice, "wound-counts", axis = axis.word(), unit = unit, shows = shows, falls = falls)
    }

    fn learned(self, axis: AxisName, voice: Voice) -> WoundView {
        WoundView { counts: Some(self), says: self.says(axis, voice) }
    }
}

impl Wound {
    /// What the winding tells: of a slide, after one turn of its dial away from the operator (the compound: in) past its play; of the
    /// carriage, toward the headstock.
    #[must_use]
    pub fn learned(&self, axis: AxisName, lathe: &Lathe, voice: Voice) -> WoundView {
        let moved = self.to - self.from;
        let asked = |says| WoundView { counts: None, says };
        if !moved.is_finite() || moved.abs() > 1e6 {
            return asked(say!(voice, "wound-not-read"));
        }
        let falls = moved < 0.0;
        let (slide, name) = match axis {
            AxisName::CrossSlide => (&lathe.cross_slide, "cross"),
            AxisName::Compound => (&lathe.compound, "compound"),
            AxisName::Carriage => {
                let inches = self.sent_inches.unwrap_or(self.inches);
                if moved.abs() * if inches { MM_PER_INCH } else { 1.0 } < LEAST_MM {
                    return asked(say!(voice, "wound-carriage-still"));
                }
                return Counts { inches, diameter: false, falls }.learned(axis, voice);
            }
        };
        let turn = turn_mm(slide);
        let ways = [(false, false, turn), (false, true, 2.0 * turn), (true, false, turn / MM_PER_INCH), (true, true, 2.0 * turn / MM_PER_INCH)];
        let off = |by: f64| (moved.abs().max(1e-12) / by).ln().abs();
        let fits = |way: &&(bool, bool, f64)| self.sent_inches.is_none_or(|sent| sent == way.0) && (axis == AxisName::CrossSlide || !way.1);
        let nearest = ways.iter().filter(fits).min_by(|a, b| off(a.2).total_cmp(&off(b.2)));
        match nearest.filter(|way| off(way.2) <= NEAR.ln()) {
            Some((inches, diameter, _)) => Counts { inches: *inches, diameter: *diameter, falls }.learned(axis, voice),
            None => asked(say!(voice, "wound-odd", moved = plain_text(moved.abs(), 4), turn = voice.length(turn), slide = name)),
        }
    }
}
