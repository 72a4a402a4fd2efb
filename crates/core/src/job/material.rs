//! What is being cut, and how boldly to begin.

use serde::{Deserialize, Serialize};
use std::sync::LazyLock;

/// Starting values for threading one material with a high-speed-steel bit.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Material {
    /// Stable code.
    pub code: String,
    /// As it is said.
    pub name: String,
    /// Surface speed to begin threading at, m/min.
    pub hss_m_per_min: f64,
    /// Deepest first cut, mm radial.
    pub first_cut_mm: f64,
    /// Least cut that still cuts rather than rubs, mm radial.
    pub least_cut_mm: f64,
    /// Stiffness, Young's modulus in GPa.
    pub modulus_gpa: f64,
}

static MATERIALS: LazyLock<Vec<Material>> =
    LazyLock::new(|| csv::Reader::from_reader(include_str!("../../data/materials.csv").as_bytes()).into_deserialize().filter_map(Result::ok).collect());

/// All materials known.
#[must_use]
pub fn materials() -> &'static [Material] {
    &MATERIALS
}

#[cfg(test)]
mod tests {
    #[test]
    fn every_row_reads() {
        assert_eq!(super::materials().len(), 8);
        assert!(super::materials().iter().all(|m| m.first_cut_mm > m.least_cut_mm && m.hss_m_per_min > 1.0));
    }
}
