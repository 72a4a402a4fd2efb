//! Collecting every fault of a request, each with its pointer, so that none is left for a second try.

use crate::faults::Fault;
use crate::quantity::{Exact, Ratio, short_text};
use crate::says::Spoken;
use crate::voice::Voice;
use crate::{say, sentence};
use num_traits::Zero;
use serde::Serialize;

/// Fewest teeth a change gear may have.
const MIN_TEETH: i64 = 5;
/// Most teeth a change gear may have.
const MAX_TEETH: i64 = 400;

/// Something that was not given, and what was taken instead.
#[derive(Debug, Clone, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Assumption {
    /// JSON pointer of the field.
    pub pointer: String,
    /// What was taken.
    pub text: String,
}

/// Collects faults and assumptions while facts are settled.
#[derive(Debug, Default)]
pub struct Checker {
    /// The voice its bounds are spoken in.
    pub voice: Voice,
    /// Faults found, in order.
    pub faults: Vec<Fault>,
    /// What was taken where nothing was given.
    pub assumed: Vec<Assumption>,
}

impl Checker {
    /// An empty one, whose faults are spoken in a voice.
    #[must_use]
    pub fn spoken(voice: Voice) -> Self {
        Self { voice, ..Self::default() }
    }

    /// Notes a fault.
    pub fn fault(&mut self, pointer: impl Into<String>, detail: impl Spoken) {
        self.faults.push(Fault::new(pointer, detail.spoken(self.voice)));
    }

    /// Notes what was taken where nothing was given.
    pub fn assume(&mut self, pointer: impl Into<String>, text: impl Spoken) {
        self.assumed.push(Assumption { pointer: pointer.into(), text: text.spoken(self.voice) });
    }

    /// Notes a fault unless `value` lies in the bounds; says whether it does.
    pub fn within(&mut self, value: f64, low: f64, high: f64, pointer: &str, unit: &str) -> bool {
        let fits = value.is_finite() && value >= low && value <= high;
        if !fits {
            let (low_text, high_text) = (short_text(low, 4), short_text(high, 4));
            let detail = match unit.strip_prefix("mm").map(str::trim) {
                Some("") => say!(self.voice, "bounds-length", value = self.voice.given(value), span = self.voice.from_to(low, high)),
                Some(of) => say!(self.voice, "bounds-length-of", value = self.voice.given(value), span = self.voice.from_to(low, high), of = of),
                None if unit.is_empty() => say!(self.voice, "bounds-number", value = value.to_string(), low = low_text, high = high_text),
                None => say!(self.voice, "bounds-number-of", value = value.to_string(), low = low_text, high = high_text, unit = unit),
            };
            self.fault(pointer, detail);
        }
        fits
    }

    /// The value when given and within bounds.
    pub fn sound(&mut self, value: Option<f64>, low: f64, high: f64, pointer: &str, unit: &str) -> Option<f64> {
        value.filter(|v| self.within(*v, low, high, pointer, unit))
    }

    /// A whole number within bounds, or the usual one.
    pub fn count(&mut self, value: Option<i64>, (low, high): (i64, i64), usual: i64, pointer: &str, unit: &str) -> i64 {
        #[allow(clippy::cast_precision_loss)] // bounds are small
        match value {
            Some(v) if self.within(v as f64, low as f64, high as f64, pointer, unit) => v,
            _ => usual,
        }
    }

    /// Tooth counts within bounds, each fault with its own pointer.
    pub fn teeth(&mut self, list: &[i64], pointer: &str) -> Vec<u16> {
        let mut sound = Vec::new();
        for (i, t) in list.iter().enumerate().take(200) {
            sound.extend(self.gear(*t, &format!("{pointer}/{i}")));
        }
        sound
    }

    /// The tooth count of one gear, if it is in bounds.
    pub fn gear(&mut self, teeth: i64, pointer: &str) -> Option<u16> {
        let sound = u16::try_from(teeth).ok().filter(|_| (MIN_TEETH..=MAX_TEETH).contains(&teeth));
        if sound.is_none() {
            self.fault(pointer, sentence!("bounds-teeth", teeth = teeth, least = MIN_TEETH, most = MAX_TEETH));
        }
        sound
    }

    /// A ratio over zero, of terms a gear train can have.
    pub fn ratio(&mut self, ratio: &Exact, pointer: &str) -> Ratio {
        let limit = 1_000_000;
        if ratio.0 > Ratio::zero() && *ratio.0.numer() <= limit && *ratio.0.denom() <= limit {
            return ratio.0;
        }
        self.fault(pointer, sentence!("bounds-ratio"));
        Ratio::new(1, 1)
    }
}
