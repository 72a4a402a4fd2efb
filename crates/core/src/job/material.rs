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
    /// Most a pass may take on a big lathe, mm².
    pub most_area_mm2: f64,
    /// Cutting pressure at a chip 1 mm thick, N/mm²; it grows as the chip gets thinner.
    pub kc1_n_mm2: f64,
    /// Tensile strength, N/mm².
    pub tensile_n_mm2: f64,
    /// Stiffness, Young's modulus in GPa.
    pub modulus_gpa: f64,
    /// Working clearance of a high-speed-steel bit, degrees.
    pub relief_deg: f64,
    /// Most back rake it is usually cut with, degrees; none on the rest, where it would change the form for nothing.
    pub rake_most_deg: f64,
    /// What to run on it.
    pub fluid: String,
}

/// What a tool is made of, against high-speed steel.
#[derive(Debug, Clone, PartialEq, Deserialize)]
pub struct ToolMaterial {
    /// Stable code.
    pub code: String,
    /// As it is said.
    pub name: String,
    /// How many times the speed of high-speed steel it stands.
    pub speed_times: f64,
    /// How much more working clearance it is given, degrees.
    pub relief_more_deg: f64,
}

/// Tool steels and carbide, as their table has them.
pub static TOOLS: LazyLock<Vec<ToolMaterial>> =
    LazyLock::new(|| csv::Reader::from_reader(include_str!("../../data/tool_materials.csv").as_bytes()).into_deserialize().filter_map(Result::ok).collect());

/// A tool's material by its code; none for one that is not in the table, which is taken for high-speed steel.
#[must_use]
pub fn tool_material(code: &str) -> Option<&'static ToolMaterial> {
    TOOLS.iter().find(|t| t.code == code)
}

static MATERIALS: LazyLock<Vec<Material>> =
    LazyLock::new(|| csv::Reader::from_reader(include_str!("../../data/materials.csv").as_bytes()).into_deserialize().filter_map(Result::ok).collect());

/// All materials known.
#[must_use]
pub fn materials() -> &'static [Material] {
    &MATERIALS
}
