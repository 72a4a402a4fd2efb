//! What an owner writes of a lathe: its gears as a list, its plate as printed, gears that stay on.

use crate::quantity::{Exact, LengthUnit};
use serde::de::{SeqAccess, Visitor};
use serde::{Deserialize, Deserializer, Serialize};

/// Gears as their owner writes them: a list of tooth counts and ranges, or one text.
#[derive(Debug, Clone, PartialEq, Eq, Serialize)]
#[serde(untagged)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum GearList {
    /// Tooth counts and ranges.
    Many(Vec<GearEntry>),
    /// All in one text.
    Text(String),
}

impl GearList {
    /// What is written where the gears cannot be changed.
    const FIXED: &str = "fixed";

    /// Whether they cannot be changed.
    #[must_use]
    pub fn is_fixed(&self) -> bool {
        matches!(self, Self::Text(text) if text.trim().eq_ignore_ascii_case(Self::FIXED))
    }
}

/// Read by hand so that a wrong entry is named by its place in the list.
impl<'de> Deserialize<'de> for GearList {
    fn deserialize<D: Deserializer<'de>>(deserializer: D) -> Result<Self, D::Error> {
        struct Written;
        impl<'de> Visitor<'de> for Written {
            type Value = GearList;

            fn expecting(&self, f: &mut std::fmt::Formatter<'_>) -> std::fmt::Result {
                f.write_str("tooth counts such as [24, 28, \"30-60/5\"], one text such as \"24, 28, 30-60/5, 2x40\", or \"fixed\" where they cannot be changed")
            }

            fn visit_str<E>(self, text: &str) -> Result<GearList, E> {
                Ok(GearList::Text(text.to_owned()))
            }

            fn visit_seq<A: SeqAccess<'de>>(self, mut seq: A) -> Result<GearList, A::Error> {
                let mut list = Vec::new();
                while let Some(entry) = seq.next_element()? {
                    list.push(entry);
                }
                Ok(GearList::Many(list))
            }
        }
        deserializer.deserialize_any(Written)
    }
}

/// One entry of a list of gears.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[serde(untagged, expecting = "a tooth count, or a range such as \"20-65/5\", is wanted")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum GearEntry {
    /// Teeth.
    Teeth(i64),
    /// `20-65/5`, `2x40` or `40`.
    Text(String),
}

/// A plate as it is read off the headstock.
#[derive(Debug, Clone, Default, PartialEq, Serialize, Deserialize)]
#[serde(default, deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct PlateRequest {
    /// Whether it prints threads per inch or millimetres.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub unit: Option<LengthUnit>,
    /// Names of one lever's places, down the side.
    pub rows: Vec<String>,
    /// Names of the other's, across the top; one empty name where there is no other.
    pub columns: Vec<String>,
    /// What it prints, row by row; null where it prints nothing.
    #[serde(skip_serializing_if = "Vec::is_empty")]
    pub cells: Vec<Vec<Option<Exact>>>,
    /// In place of cells, where two levers multiply: the ratio of each place down the side, turns out per turn in.
    #[serde(skip_serializing_if = "Vec::is_empty")]
    pub row_ratios: Vec<Exact>,
    /// And of each place across the top.
    #[serde(skip_serializing_if = "Vec::is_empty")]
    pub column_ratios: Vec<Exact>,
    /// The change gears it assumes; none where it says straight through.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub gears: Option<KeepRequest>,
    /// Other change gears for some rows, by row.
    #[serde(skip_serializing_if = "Vec::is_empty")]
    pub row_gears: Vec<Option<KeepRequest>>,
}

/// Gears that stay on the lathe.
#[derive(Debug, Clone, Default, PartialEq, Serialize, Deserialize)]
#[serde(default, deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct KeepRequest {
    /// Teeth of drivers that stay.
    pub drivers: Vec<i64>,
    /// Teeth of driven gears that stay.
    pub driven: Vec<i64>,
}
