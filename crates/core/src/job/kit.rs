//! What is in the drawer: wires, bits and drills.

use crate::thread::Side;
use serde::{Deserialize, Serialize};

/// The kit.
#[derive(Debug, Clone, Default, PartialEq, Serialize, Deserialize)]
#[serde(default, deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Kit {
    /// Measuring wires owned, diameters in mm as measured.
    pub wires_mm: Vec<f64>,
    /// Drills owned, diameters in mm.
    pub drills_mm: Vec<f64>,
    /// Bits and bars owned, as ground.
    pub bits: Vec<OwnedBit>,
}

/// A bit or bar in the drawer, as measured.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct OwnedBit {
    /// What it is called.
    pub name: String,
    /// What it cuts.
    pub kind: Side,
    /// What it is made of.
    pub material: String,
    /// Included angle, degrees.
    pub included_angle_deg: f64,
    /// Flat on the tip, mm.
    pub tip_flat_mm: f64,
    /// Bar diameter, mm.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub bar_diameter_mm: Option<f64>,
    /// Tip to the back of the bar, mm.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub tip_to_back_mm: Option<f64>,
    /// How far the bar reaches, mm.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub reach_mm: Option<f64>,
}

impl Kit {
    /// The kit of the demo yard.
    #[must_use]
    pub fn alder_reach() -> Self {
        let yard: serde_json::Value = serde_json::from_str(include_str!("../../data/alder_reach.json")).unwrap_or_default();
        Self { wires_mm: part(&yard, "wires_mm"), drills_mm: drills(), bits: part(&yard, "bits") }
    }
}

/// A part of the yard's kit; the tests hold it to what the yard owns.
fn part<T: serde::de::DeserializeOwned + Default>(yard: &serde_json::Value, name: &str) -> T {
    yard["kit"].get(name).and_then(|v| serde_json::from_value(v.clone()).ok()).unwrap_or_default()
}

/// 1 to 13 mm by 0.5, 13 to 32 mm by 1, and 1/16 to 1-1/4 in by 1/64, as the demo kit says.
fn drills() -> Vec<f64> {
    let half = (2..=26).map(|n| f64::from(n) / 2.0);
    let whole = (14..=32).map(f64::from);
    let inch = (4..=80).map(|n| f64::from(n) * 25.4 / 64.0);
    let mut all: Vec<f64> = half.chain(whole).chain(inch).collect();
    all.sort_by(f64::total_cmp);
    all
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn the_yards_drawer_is_read_whole() {
        let kit = Kit::alder_reach();
        assert_eq!((kit.wires_mm.len(), kit.bits.len()), (14, 4));
        assert_eq!((kit.bits[0].kind, kit.bits[0].tip_flat_mm), (Side::External, 0.25));
        assert_eq!(kit.bits[2].reach_mm, Some(60.0));
        // 25 halves, 19 wholes, 77 sixty-fourths, in order.
        assert_eq!(kit.drills_mm.len(), 121);
        assert!(kit.drills_mm.windows(2).all(|w| w[0] <= w[1]) && kit.drills_mm.ends_with(&[32.0]));
    }
}
