//! A material nobody knows, tried by magnet, file, spark and swarf: what each rules out, and what is planned for.

use super::material::{Material, MaterialCaution, MaterialFamily, NOT_KNOWN, materials};
use crate::say;
use crate::voice::Voice;
use serde::{Deserialize, Serialize};
use std::sync::LazyLock;

/// What a magnet does.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Magnet {
    /// It holds fast.
    Strong,
    /// It is drawn, a little.
    Weak,
    /// Nothing.
    None,
}

/// What a file does.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Filed {
    /// It goes in deep and clogs.
    Clogs,
    /// It bites cleanly.
    Bites,
    /// It bites little, or skates.
    Hard,
}

/// What the wheel throws off it.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Spark {
    /// None.
    None,
    /// Few, short and red.
    Few,
    /// Long straw-coloured lines with few forks.
    Long,
    /// Many bursts.
    Bursts,
    /// Brilliant white.
    White,
}

/// What comes off under a tool.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Swarf {
    /// Long curls that do not break.
    Strings,
    /// Short chips.
    Chips,
    /// Crumbs and dust.
    Crumbs,
}

/// What was tried, and what it showed.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq, Serialize, Deserialize)]
#[serde(default, deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct TriedRequest {
    /// What a magnet does.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub magnet: Option<Magnet>,
    /// What a file does.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub file: Option<Filed>,
    /// What the wheel throws off it.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub spark: Option<Spark>,
    /// What comes off under a tool.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub swarf: Option<Swarf>,
}

/// A material no trial speaks for any more, and the trial that spoke against it.
#[derive(Debug, Clone, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct RuledOut {
    /// As it is said.
    pub name: String,
    /// What spoke against it.
    pub by: Vec<String>,
}

/// What the trials leave.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct TriedView {
    /// What was tried.
    pub tried: TriedRequest,
    /// Materials left, as they are said.
    pub left: Vec<String>,
    /// Materials ruled out, each with what spoke against it.
    pub out: Vec<RuledOut>,
    /// What each trial made rules out that none before it did, in words.
    pub ruled: Vec<String>,
    /// What is planned for, and why.
    pub says: String,
    /// The trial that would tell most, and how it is made; absent where none would.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub next: Option<String>,
}

/// What a material shows under each trial, any of several.
#[derive(Deserialize)]
struct Signs {
    code: String,
    magnet: String,
    file: String,
    spark: String,
    swarf: String,
}

/// Shown by metals in the state they are sold in. Recalled workshop practice; a sign that may be seen rules nothing out.
static SIGNS: LazyLock<Vec<Signs>> =
    LazyLock::new(|| csv::Reader::from_reader(include_str!("../../data/material_signs.csv").as_bytes()).into_deserialize().filter_map(Result::ok).collect());

/// A sign as the table names it.
fn word(sign: &impl Serialize) -> String {
    serde_json::to_value(sign).ok().and_then(|v| v.as_str().map(str::to_owned)).unwrap_or_default()
}

/// A trial: its name, its cell in the table, and what was seen, if it was made.
struct Trial {
    name: &'static str,
    cell: fn(&Signs) -> &str,
    seen: Option<String>,
}

impl Trial {
    /// Whether a material may show a sign.
    fn may(&self, signs: &Signs, sign: &str) -> bool {
        (self.cell)(signs).split(' ').any(|w| w == sign)
    }
}

/// The four trials in the order they are asked.
fn trials(tried: &TriedRequest) -> [Trial; 4] {
    [
        Trial { name: "magnet", cell: |s| &s.magnet, seen: tried.magnet.as_ref().map(word) },
        Trial { name: "file", cell: |s| &s.file, seen: tried.file.as_ref().map(word) },
        Trial { name: "spark", cell: |s| &s.spark, seen: tried.spark.as_ref().map(word) },
        Trial { name: "swarf", cell: |s| &s.swarf, seen: tried.swarf.as_ref().map(word) },
    ]
}

/// Codes of what is left, and of what is out with the trials that spoke against it.
fn sorted(tried: &TriedRequest) -> (Vec<&'static str>, Vec<(&'static str, Vec<&'static str>)>) {
    let (mut left, mut out) = (Vec::new(), Vec::new());
    for signs in SIGNS.iter() {
        let against = trials(tried).into_iter().filter(|t| t.seen.as_ref().is_some_and(|seen| !t.may(signs, seen)));
        let against: Vec<&str> = against.map(|t| t.name).collect();
        if against.is_empty() {
            left.push(signs.code.as_str());
        } else {
            out.push((signs.code.as_str(), against));
        }
    }
    (left, out)
}

/// The trial not made yet that is sure to rule out most, whatever it shows; of those alike, the first.
fn next(tried: &TriedRequest, left: &[&str]) -> Option<&'static str> {
    let rows = || SIGNS.iter().filter(|s| left.contains(&s.code.as_str()));
    let worst = |trial: &Trial| {
        let mut shown: Vec<&str> = rows().flat_map(|s| (trial.cell)(s).split(' ')).collect();
        shown.sort_unstable();
        shown.dedup();
        shown.iter().map(|sign| rows().filter(|s| trial.may(s, sign)).count()).max().unwrap_or(0)
    };
    let open = trials(tried).into_iter().filter(|t| t.seen.is_none()).map(|t| (worst(&t), t.name));
    open.filter(|(kept, _)| *kept < left.len()).min_by_key(|(kept, _)| *kept).map(|(_, name)| name)
}

/// What is planned for where it is one of several: of each value the careful end.
fn careful(of: &[&Material], name: String, fluid: String) -> Material {
    let least = |value: fn(&Material) -> f64| of.iter().map(|m| value(m)).fold(f64::INFINITY, f64::min);
    let most = |value: fn(&Material) -> f64| of.iter().map(|m| value(m)).fold(0.0, f64::max);
    let mut cautions: Vec<MaterialCaution> = of.iter().flat_map(|m| m.cautions.iter().copied()).collect();
    cautions.sort_unstable();
    cautions.dedup();
    let least_cut = most(|m| m.least_cut_mm);
    let one = |fluid: &str| of.iter().all(|m| m.fluid == fluid);
    Material {
        code: NOT_KNOWN.into(),
        name,
        family: of.first().map_or(MaterialFamily::Steel, |m| m.family),
        hss_m_per_min: least(|m| m.hss_m_per_min),
        carbide_m_per_min: None,
        first_cut_mm: least(|m| m.first_cut_mm).max(least_cut),
        least_cut_mm: least_cut,
        most_area_mm2: least(|m| m.most_area_mm2),
        kc1_n_mm2: most(|m| m.kc1_n_mm2),
        tensile_n_mm2: least(|m| m.tensile_n_mm2),
        modulus_gpa: least(|m| m.modulus_gpa),
        relief_deg: most(|m| m.relief_deg),
        rake_most_deg: least(|m| m.rake_most_deg),
        crests_rise: of.iter().any(|m| m.crests_rise),
        cautions,
        fluid: of.first().map(|m| m.fluid.clone()).filter(|f| one(f)).unwrap_or(fluid),
    }
}

/// What the trials leave, and the material planned for: one metal of the table where one is left, else one as careful as the worst of
/// those left. Plastics are known by their looks, and are told by name.
#[must_use]
pub fn not_known(tried: &TriedRequest, voice: Voice) -> (Material, TriedView) {
    let (left, out) = sorted(tried);
    let of = |code: &str| materials().iter().find(|m| m.code == code);
    let name = |code: &str| of(code).map_or_else(|| code.to_owned(), |m| m.name.clone());
    let none = left.is_empty();
    // Signs that contradict one another rule nothing out.
    let planned: Vec<&Material> = if none { SIGNS.iter().filter_map(|s| of(&s.code)).collect() } else { left.iter().filter_map(|c| of(c)).collect() };
    let names: Vec<String> = left.iter().map(|c| name(c)).collect();
    let material = careful(&planned, say!(voice, "material-not-known"), say!(voice, "material-not-known-fluid"));
    let says = match &names[..] {
        [] => say!(voice, "material-contradicts"),
        [one] => say!(voice, "material-one-left", name = one),
        _ if out.is_empty() => say!(voice, "material-any-metal"),
        all => say!(voice, "material-several-left", names = all.join(", ")),
    };
    let next = next(tried, &left).filter(|_| names.len() > 1);
    let ruled = trials(tried).into_iter().filter_map(|t| {
        let first = out.iter().filter(|(_, by)| by.first() == Some(&t.name)).map(|(code, _)| name(code)).collect::<Vec<_>>().join(", ");
        (!first.is_empty()).then(|| say!(voice, "material-rules-out", trial = t.name, names = first))
    });
    let ruled = ruled.collect();
    let view = TriedView {
        ruled,
        tried: *tried,
        left: names,
        out: out
            .into_iter()
            .map(|(code, by)| RuledOut { name: name(code), by: by.into_iter().map(|t| say!(voice, "material-trial", trial = t)).collect() })
            .collect(),
        says,
        next: next.map(|trial| say!(voice, "material-try-next", trial = trial)),
    };
    (material, view)
}
