//! What is being cut, and how boldly to begin: the table, and materials of the user's own beside it.

use crate::faults::Checker;
use crate::sentence;
use serde::{Deserialize, Deserializer, Serialize};
use std::sync::LazyLock;

/// The code of work whose material nobody knows.
pub const NOT_KNOWN: &str = "not_known";
/// What the code of a material of the user's own begins with.
const OWN: &str = "own_";

/// What a material is of.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum MaterialFamily {
    /// Steel.
    Steel,
    /// Cast iron of any kind.
    Iron,
    /// Brass, bronze, copper.
    Copper,
    /// Aluminium and its alloys.
    Aluminium,
    /// Titanium and its alloys.
    Titanium,
    /// Plastic.
    Plastic,
}

/// What is to be minded with a material.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum MaterialCaution {
    /// Its swarf is dust, bad for lungs and slides.
    Dust,
    /// Its fine swarf burns, and water does not put it out.
    Fire,
    /// Its swarf comes in one string that winds round work and hand.
    Strings,
    /// Hot, it gives off fumes that must not be breathed.
    Fumes,
    /// It cracks under a jaw, a blunt tool, or the wrong fluid.
    Cracks,
    /// It gives way to jaws, tool and anvils, and grows as it warms.
    Yields,
    /// It hardens where a tool rubs.
    Hardens,
}

impl MaterialCaution {
    /// The sentence that says it.
    #[must_use]
    pub const fn caution(self) -> &'static str {
        match self {
            Self::Dust => "caution-dust",
            Self::Fire => "caution-fire",
            Self::Strings => "caution-strings",
            Self::Fumes => "caution-fumes",
            Self::Cracks => "caution-cracks",
            Self::Yields => "caution-yields",
            Self::Hardens => "caution-hardens",
        }
    }
}

/// Starting values for threading one material with a high-speed-steel bit.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Material {
    /// Stable code.
    pub code: String,
    /// As it is said.
    pub name: String,
    /// What it is of.
    pub family: MaterialFamily,
    /// Surface speed to begin threading at, m/min.
    pub hss_m_per_min: f64,
    /// The same with carbide, m/min, where it is known by itself.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub carbide_m_per_min: Option<f64>,
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
    /// Whether threading raises its crests, so that it is turned low and filed before it is measured over them.
    pub crests_rise: bool,
    /// What is to be minded with it.
    #[serde(deserialize_with = "words")]
    pub cautions: Vec<MaterialCaution>,
    /// What to run on it.
    pub fluid: String,
}

impl Material {
    /// Surface speed with a tool of this make, m/min, where it is known by itself.
    #[must_use]
    pub fn speed_with(&self, tool: &ToolMaterial) -> Option<f64> {
        self.carbide_m_per_min.filter(|_| tool.code == "carbide")
    }
}

/// Words of a cell.
fn words<'de, D: Deserializer<'de>>(cell: D) -> Result<Vec<MaterialCaution>, D::Error> {
    let text = String::deserialize(cell)?;
    let read = |word: &str| MaterialCaution::deserialize(serde::de::value::StrDeserializer::<D::Error>::new(word));
    text.split_whitespace().map(read).collect()
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

/// All materials of the table. Pressures after Kienzle and strengths are handbook values rounded, recalled; speeds and cuts are house values.
#[must_use]
pub fn materials() -> &'static [Material] {
    &MATERIALS
}

/// A material of the user's own: what is not told of it is that of the one of the table it is like.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct OwnMaterial {
    /// What it is called.
    pub name: String,
    /// The one of the table it is like, by its code.
    pub like: String,
    /// Surface speed to begin threading at with high-speed steel, m/min.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub hss_m_per_min: Option<f64>,
    /// The same with carbide, m/min.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub carbide_m_per_min: Option<f64>,
    /// Deepest first cut, mm radial.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub first_cut_mm: Option<f64>,
    /// Least cut that still cuts, mm radial.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub least_cut_mm: Option<f64>,
    /// Cutting pressure at a chip 1 mm thick, N/mm².
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub kc1_n_mm2: Option<f64>,
    /// Tensile strength, N/mm².
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub tensile_n_mm2: Option<f64>,
    /// Stiffness, GPa.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub modulus_gpa: Option<f64>,
    /// Working clearance, degrees.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub relief_deg: Option<f64>,
    /// Most back rake, degrees.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub rake_most_deg: Option<f64>,
    /// What to run on it.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub fluid: Option<String>,
    /// Whether threading raises its crests.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub crests_rise: Option<bool>,
    /// What is to be minded with it.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub cautions: Option<Vec<MaterialCaution>>,
}

impl OwnMaterial {
    /// The code a job names it by: its name, so that it stays what it is while its figures are told.
    #[must_use]
    pub fn code(&self) -> String {
        let plain: String = self.name.trim().to_lowercase().chars().map(|c| if c.is_alphanumeric() { c } else { '_' }).collect();
        format!("{OWN}{plain}")
    }

    /// The one of the table it is like; none where that is none.
    #[must_use]
    pub fn like_it(&self) -> Option<&'static Material> {
        materials().iter().find(|m| m.code == self.like)
    }

    /// It with what it is like filled in; none where it is like nothing known.
    #[must_use]
    pub fn whole(&self) -> Option<Material> {
        let like = self.like_it()?;
        Some(Material {
            code: self.code(),
            name: self.name.clone(),
            family: like.family,
            hss_m_per_min: self.hss_m_per_min.unwrap_or(like.hss_m_per_min),
            // One told for high-speed steel alone leaves carbide its usual share of it.
            carbide_m_per_min: self.carbide_m_per_min.or(like.carbide_m_per_min.filter(|_| self.hss_m_per_min.is_none())),
            first_cut_mm: self.first_cut_mm.unwrap_or_else(|| like.first_cut_mm.max(self.least_cut_mm.unwrap_or(0.0))),
            least_cut_mm: self.least_cut_mm.unwrap_or_else(|| like.least_cut_mm.min(self.first_cut_mm.unwrap_or(f64::INFINITY))),
            most_area_mm2: like.most_area_mm2,
            kc1_n_mm2: self.kc1_n_mm2.unwrap_or(like.kc1_n_mm2),
            tensile_n_mm2: self.tensile_n_mm2.unwrap_or(like.tensile_n_mm2),
            modulus_gpa: self.modulus_gpa.unwrap_or(like.modulus_gpa),
            relief_deg: self.relief_deg.unwrap_or(like.relief_deg),
            rake_most_deg: self.rake_most_deg.unwrap_or(like.rake_most_deg),
            crests_rise: self.crests_rise.unwrap_or(like.crests_rise),
            cautions: self.cautions.clone().unwrap_or_else(|| like.cautions.clone()),
            fluid: self.fluid.clone().unwrap_or_else(|| like.fluid.clone()),
        })
    }

    /// What of it nobody told, so that the one it is like stands for it.
    #[must_use]
    pub fn taken(&self) -> Vec<&'static str> {
        let told = [
            (self.hss_m_per_min.is_some(), "speed"),
            (self.first_cut_mm.is_some() && self.least_cut_mm.is_some(), "cuts"),
            (self.kc1_n_mm2.is_some(), "pressure"),
            (self.tensile_n_mm2.is_some() && self.modulus_gpa.is_some(), "strength"),
        ];
        told.into_iter().filter(|(told, _)| !told).map(|(_, what)| what).collect()
    }
}

/// A material by its code: of the table, or of the user's own.
#[must_use]
pub fn material_of(code: &str, own: &[OwnMaterial]) -> Option<Material> {
    let of_the_table = || materials().iter().find(|m| m.code == code).cloned();
    own.iter().find(|m| m.code() == code).and_then(OwnMaterial::whole).or_else(of_the_table)
}

/// Whether a code is of a material of somebody's own.
#[must_use]
pub fn is_own(code: &str) -> bool {
    code.starts_with(OWN)
}

/// Checks the materials of the user's own, the first so many.
pub(super) fn check(own: &[OwnMaterial], most: usize, c: &mut Checker) {
    let mut codes: Vec<String> = Vec::new();
    for (i, one) in own.iter().enumerate().take(most) {
        let at = |field: &str| format!("/kit/materials/{i}/{field}");
        if one.name.trim().is_empty() || one.name.len() > 80 {
            c.fault(at("name"), sentence!("fact-name-1-80-letters-wanted"));
        } else if codes.contains(&one.code()) {
            c.fault(at("name"), sentence!("fact-drawer-twice-each-own-name", name = &one.name));
        }
        codes.push(one.code());
        if one.whole().is_none() {
            let known: Vec<&str> = materials().iter().map(|m| m.code.as_str()).collect();
            c.fault(at("like"), sentence!("fact-not-material-known-here-choices", code = &one.like, known = known.join(", ")));
        }
        for (value, low, high, field, unit) in [
            (one.hss_m_per_min, 0.5, 500.0, "hss_m_per_min", "m/min"),
            (one.carbide_m_per_min, 0.5, 1000.0, "carbide_m_per_min", "m/min"),
            (one.least_cut_mm, 0.002, 0.5, "least_cut_mm", "mm"),
            (one.first_cut_mm, one.least_cut_mm.filter(|l| l.is_finite()).unwrap_or(0.002), 2.0, "first_cut_mm", "mm, not less than the least"),
            (one.kc1_n_mm2, 10.0, 6000.0, "kc1_n_mm2", "N/mm²"),
            (one.tensile_n_mm2, 5.0, 3000.0, "tensile_n_mm2", "N/mm²"),
            (one.modulus_gpa, 0.1, 700.0, "modulus_gpa", "GPa"),
            (one.relief_deg, 1.0, 25.0, "relief_deg", "degrees"),
            (one.rake_most_deg, 0.0, 35.0, "rake_most_deg", "degrees"),
        ] {
            c.sound(value, low, high, &at(field), unit);
        }
        if one.fluid.as_ref().is_some_and(|f| f.trim().is_empty() || f.len() > 80) {
            c.fault(at("fluid"), sentence!("fact-name-1-80-letters-wanted"));
        }
    }
}
