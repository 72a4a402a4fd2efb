//! Lengths as a machinist writes them: `3/8`, `1-1/4"`, `.875`, `22 mm`, `0.5in`, `1,5`.

use super::exact::{Ratio, decimal};
use serde::{Deserialize, Serialize};

/// The unit a length is written in or shown in.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq, Hash, Serialize, Deserialize)]
#[serde(rename_all = "lowercase")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum LengthUnit {
    /// Millimetres.
    #[default]
    Mm,
    /// Inches.
    In,
}

impl LengthUnit {
    /// As it is written after a number.
    #[must_use]
    pub const fn sign(self) -> &'static str {
        match self {
            Self::Mm => "mm",
            Self::In => "in",
        }
    }
}

/// A length read from text: exact in mm, with the unit it was written in.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct Length {
    /// Exact millimetres.
    pub mm: Ratio,
    /// The unit it was written in.
    pub unit: LengthUnit,
}

/// Why a length could not be read, in words that say what would be right.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct LengthFault(pub String);

/// Reads a length. Without a unit it is taken in `otherwise`, except that a fraction such as `3/8`
/// is always inches.
///
/// # Errors
/// [`LengthFault`] names the part that cannot be read.
pub fn parse_length(text: &str, otherwise: LengthUnit) -> Result<Length, LengthFault> {
    let lower = text.trim().to_lowercase().replace(['″', '”', '“'], "\"").replace(',', ".");
    let (number, unit) = ["mm", "inches", "inch", "in", "\""]
        .iter()
        .find_map(|suffix| lower.strip_suffix(suffix).map(|rest| (rest.trim(), *suffix)))
        .map_or((lower.as_str(), None), |(rest, suffix)| (rest, Some(if suffix == "mm" { LengthUnit::Mm } else { LengthUnit::In })));
    let value = mixed_number(number).ok_or_else(|| LengthFault(format!("“{}” is not a length; write 3/8, 1-1/4\", .875, 22 mm or 0.5in", text.trim())))?;
    let unit = unit.unwrap_or(if number.contains('/') { LengthUnit::In } else { otherwise });
    let mm = match unit {
        LengthUnit::Mm => value,
        LengthUnit::In => value * Ratio::new(127, 5),
    };
    Ok(Length { mm, unit })
}

/// Reads `3/8`, `1-1/4`, `1 1/4` or a plain decimal, exactly.
pub fn mixed_number(text: &str) -> Option<Ratio> {
    let text = text.trim();
    let Some((left, under)) = text.split_once('/') else {
        return decimal(text);
    };
    let count = |s: &str| s.trim().parse::<u16>().ok().map(i128::from);
    let under = count(under).filter(|n| *n > 0)?;
    let (whole, over) = match left.trim().rsplit_once(['-', ' ']) {
        Some((whole, over)) => (count(whole.trim_end_matches(['-', ' ']))?, count(over)?),
        None => (0, count(left)?),
    };
    Some(Ratio::new(whole * under + over, under))
}
