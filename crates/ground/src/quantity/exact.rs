//! Exact numbers: pitches, leads and gear ratios never pass through floating point.

use num_traits::{CheckedMul, Zero};
use serde::{Deserialize, Deserializer, Serialize, Serializer, de::Error};

/// An exact fraction in lowest terms.
pub type Ratio = num_rational::Ratio<i128>;

/// Largest magnitude, and largest denominator, an exact number from outside may have.
const BOUND: i128 = 1_000_000_000_000;

/// How an exact number is written; named for its schema.
#[cfg(feature = "schema")]
#[derive(serde::Serialize, utoipa::ToSchema)]
#[serde(untagged)]
#[allow(dead_code)] // only its schema is used
pub enum ExactForm {
    /// By its shortest decimal.
    Decimal(f64),
    /// As a fraction.
    Fraction(String),
}

/// An exact number as it comes and goes over the wire: a JSON number is taken by its shortest
/// decimal (2.5 is 5/2); a fraction may be written as `"127/50"`.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Hash)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema), schema(value_type = ExactForm))]
pub struct Exact(pub Ratio);

impl Exact {
    /// Reads `2.5`, `127/50` or `7`; `None` when it is neither or out of bounds.
    #[must_use]
    pub fn parse(text: &str) -> Option<Self> {
        let text = text.trim();
        let value = match text.split_once('/') {
            Some((over, under)) => {
                let under = decimal(under.trim())?;
                if under.is_zero() {
                    return None;
                }
                let flipped = Ratio::new(*under.denom(), *under.numer());
                decimal(over.trim())?.checked_mul(&flipped)?
            }
            None => decimal(text)?,
        };
        (value.numer().abs() <= BOUND && *value.denom() <= BOUND).then_some(Self(value))
    }
}

/// Reads a plain decimal (`2.5`, `.875`, `-3`) exactly; `None` when it is not one or has more than
/// twelve digits on either side of the point.
#[must_use]
pub fn decimal(text: &str) -> Option<Ratio> {
    let (negative, digits) = match text.strip_prefix('-') {
        Some(rest) => (true, rest),
        None => (false, text),
    };
    let (whole, part) = digits.split_once('.').unwrap_or((digits, ""));
    let sound = |s: &str| s.len() <= 12 && s.bytes().all(|b| b.is_ascii_digit());
    if !(sound(whole) && sound(part)) || (whole.is_empty() && part.is_empty()) {
        return None;
    }
    let scale = 10_i128.pow(u32::try_from(part.len()).ok()?);
    let joined: i128 = format!("0{whole}{part}").parse().ok()?;
    Some(Ratio::new(if negative { -joined } else { joined }, scale))
}

/// A ratio as it is written: `50/127`, or `4/1` for a whole number.
#[must_use]
pub fn ratio_text(ratio: &Ratio) -> String {
    format!("{}/{}", ratio.numer(), ratio.denom())
}

impl Serialize for Exact {
    fn serialize<S: Serializer>(&self, serializer: S) -> Result<S::Ok, S::Error> {
        serializer.serialize_str(&ratio_text(&self.0))
    }
}

impl<'de> Deserialize<'de> for Exact {
    fn deserialize<D: Deserializer<'de>>(deserializer: D) -> Result<Self, D::Error> {
        #[derive(Deserialize)]
        #[serde(untagged)]
        enum Raw {
            Number(serde_json::Number),
            Text(String),
        }
        let wrong = || D::Error::custom("a number such as 2.5, or a fraction such as \"127/50\"");
        let text = match Raw::deserialize(deserializer).map_err(|_| wrong())? {
            // `{}` on a float prints the shortest decimal that reads back the same, never an exponent.
            Raw::Number(n) => n.as_i64().map_or_else(|| n.as_f64().map_or_else(String::new, |f| format!("{f}")), |i| i.to_string()),
            Raw::Text(text) => text,
        };
        Self::parse(&text).ok_or_else(wrong)
    }
}
