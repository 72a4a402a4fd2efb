//! A number on its way out: value, texts in both units, and where its working is.

use super::Num;
use crate::quantity::{MM_PER_INCH, about_text, angle_text, eye_text, inch_text, least_text, mm_text, plain_text, short_text, up_to, without_noughts};
use serde::{Serialize, Serializer};

/// A reckoned number. Lengths are in mm, angles in degrees.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Quantity {
    /// The value itself.
    #[serde(serialize_with = "nine_places")]
    pub value: f64,
    /// As it is shown; lengths in mm.
    pub text: String,
    /// Lengths as they are shown in inches.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub inch: Option<String>,
    /// Its line among the plan's workings.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub w: Option<u32>,
}

impl Quantity {
    /// A length in mm.
    #[must_use]
    pub fn length(n: impl Into<Num>) -> Self {
        let n = n.into();
        Self { value: n.value, text: mm_text(n.value), inch: Some(inch_text(n.value)), w: n.line }
    }

    /// A length along the work, as it was given: in inches a sixty-fourth as it is, anything else to the hundredth.
    #[must_use]
    pub fn along(mm: f64) -> Self {
        let inches = mm / MM_PER_INCH;
        let places = if (inches * 64.0 - (inches * 64.0).round()).abs() < 1e-6 { 6 } else { 2 };
        Self { inch: Some(format!("{} in", short_text(inches, places))), ..Self::given(mm) }
    }

    /// A length that a hand sets or reads by a rule: to the tenth of a millimetre, the hundredth of an inch.
    #[must_use]
    pub fn about(n: impl Into<Num>) -> Self {
        let n = n.into();
        Self { value: n.value, text: about_text(n.value), inch: Some(format!("{} in", plain_text(n.value / MM_PER_INCH, 2))), w: n.line }
    }

    /// The same of a length that must at least be there: told never under.
    #[must_use]
    pub fn least(n: impl Into<Num>) -> Self {
        let n = n.into();
        Self { value: n.value, text: least_text(n.value), inch: Some(format!("{} in", plain_text(up_to(n.value / MM_PER_INCH, 100.0), 2))), w: n.line }
    }

    /// The number as reckoned, with all its places, to reckon on with.
    #[must_use]
    pub const fn num(&self) -> Num {
        Num { value: self.value, line: self.w }
    }

    /// A length as it was given, without places nobody measured.
    #[must_use]
    pub fn given(mm: f64) -> Self {
        let short = |text: String| match text.split_once(' ') {
            Some((number, unit)) => format!("{} {unit}", without_noughts(number)),
            None => text,
        };
        Self { value: mm, text: short(mm_text(mm)), inch: Some(short(inch_text(mm))), w: None }
    }

    /// An angle in degrees.
    #[must_use]
    pub fn angle(n: impl Into<Num>) -> Self {
        let n = n.into();
        Self { value: n.value, text: angle_text(n.value), inch: None, w: n.line }
    }

    /// An angle that is ground or set by eye, to half a degree.
    #[must_use]
    pub fn by_eye(n: impl Into<Num>) -> Self {
        let n = n.into();
        Self { value: n.value, text: eye_text(n.value), inch: None, w: n.line }
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
