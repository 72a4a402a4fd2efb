//! A number on its way out: value, texts in both units, and where its working is.

use super::Num;
use crate::quantity::{LengthUnit, plain_text};
use crate::voice::Voice;
use serde::{Serialize, Serializer};

/// A reckoned number. Lengths are in mm, angles in degrees.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Quantity {
    /// The value itself.
    #[serde(serialize_with = "nine_places")]
    pub value: f64,
    /// As it is shown, in the voice asked.
    pub text: String,
    /// Lengths as they are shown in inches, where the text is in mm.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub inch: Option<String>,
    /// Its line among the plan's workings.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub w: Option<u32>,
}

impl Quantity {
    /// A length, said by one way of saying it.
    fn said(voice: Voice, n: Num, by: fn(Voice, f64) -> String) -> Self {
        let inch = (!voice.inches()).then(|| by(Voice { unit: LengthUnit::In, ..voice }, n.value));
        Self { value: n.value, text: by(voice, n.value), inch, w: n.line }
    }

    /// A length as the micrometer reads.
    #[must_use]
    pub fn length(voice: Voice, n: impl Into<Num>) -> Self {
        Self::said(voice, n.into(), Voice::length)
    }

    /// The same without its unit, for a drawing that says it once for all its figures.
    #[must_use]
    pub fn bare(voice: Voice, n: impl Into<Num>) -> Self {
        Self::said(voice, n.into(), Voice::bare)
    }

    /// A length along the work, without its unit.
    #[must_use]
    pub fn along_bare(voice: Voice, mm: f64) -> Self {
        Self::said(voice, mm.into(), Voice::along_bare)
    }

    /// A length along the work, as it was given.
    #[must_use]
    pub fn along(voice: Voice, mm: f64) -> Self {
        Self::said(voice, mm.into(), Voice::along)
    }

    /// A length that a hand sets or reads by a rule.
    #[must_use]
    pub fn about(voice: Voice, n: impl Into<Num>) -> Self {
        Self::said(voice, n.into(), Voice::about)
    }

    /// The same of a length that must at least be there: told never under.
    #[must_use]
    pub fn least(voice: Voice, n: impl Into<Num>) -> Self {
        Self::said(voice, n.into(), Voice::least)
    }

    /// The number as reckoned, with all its places, to reckon on with.
    #[must_use]
    pub const fn num(&self) -> Num {
        Num { value: self.value, line: self.w }
    }

    /// A length as it was given, without places nobody measured.
    #[must_use]
    pub fn given(voice: Voice, mm: f64) -> Self {
        Self::said(voice, mm.into(), Voice::given)
    }

    /// An angle in degrees.
    #[must_use]
    pub fn angle(n: impl Into<Num>) -> Self {
        let n = n.into();
        Self { value: n.value, text: Voice::default().angle(n.value), inch: None, w: n.line }
    }

    /// An angle that is ground or set by eye, to half a degree.
    #[must_use]
    pub fn by_eye(n: impl Into<Num>) -> Self {
        let n = n.into();
        Self { value: n.value, text: Voice::default().eye(n.value), inch: None, w: n.line }
    }

    /// A plain number with `places` and a unit word.
    #[must_use]
    pub fn plain(n: impl Into<Num>, places: usize, unit: &str) -> Self {
        let n = n.into();
        Self { value: n.value, text: format!("{}{unit}", plain_text(n.value, places)), inch: None, w: n.line }
    }
}

/// To nine places: they carry a picometre and keep the plan small; beyond that is noise.
pub fn round_to_nine(value: f64) -> f64 {
    (value * 1e9).round() / 1e9
}

/// A figure to nine places.
#[allow(clippy::trivially_copy_pass_by_ref)] // serde's signature
pub(super) fn nine_places<S: Serializer>(value: &f64, serializer: S) -> Result<S::Ok, S::Error> {
    serializer.serialize_f64(round_to_nine(*value))
}

/// The same, a whole number without its empty part: a plan has some hundred in its workings.
#[allow(clippy::trivially_copy_pass_by_ref, clippy::cast_possible_truncation)] // serde's signature; whole and small
pub(super) fn short<S: Serializer>(value: &f64, serializer: S) -> Result<S::Ok, S::Error> {
    let value = round_to_nine(*value);
    if value.fract() == 0.0 && value.abs() < 1e9 { serializer.serialize_i64(value as i64) } else { serializer.serialize_f64(value) }
}
