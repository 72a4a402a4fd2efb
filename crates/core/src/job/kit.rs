//! What is in the drawer: wires, bits and drills.

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
}

impl Kit {
    /// The kit of the demo yard.
    #[must_use]
    pub fn alder_reach() -> Self {
        let yard: serde_json::Value = serde_json::from_str(include_str!("../../data/alder_reach.json")).unwrap_or_default();
        let wires_mm = yard.pointer("/kit/wires_mm").and_then(|w| serde_json::from_value(w.clone()).ok()).unwrap_or_default();
        Self { wires_mm, drills_mm: drills() }
    }
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
