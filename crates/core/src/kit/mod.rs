//! What is in the drawer: wires, drills, bits and all else owned; and what may be cut with it.

mod holder;
mod instrument;
mod list;
mod material;
mod signs;
mod tool;

use crate::faults::Checker;
use crate::thread::Side;
use list::Names;
use serde::{Deserialize, Serialize};

pub use holder::{ChaserKind, HolderKind, OwnedChaser, OwnedHolder, OwnedReamer};
pub use instrument::{MicrometerKind, OwnedIndicator, OwnedMicrometer, OwnedScrewGauge, ScrewGaugeKind};
pub use list::ToolEvent;
pub use material::{Material, MaterialCaution, MaterialFamily, NOT_KNOWN, OwnMaterial, TOOLS, ToolMaterial, is_own, material_of, materials, tool_material};
pub use signs::{Filed, Magnet, RuledOut, Spark, Swarf, TriedRequest, TriedView, not_known};
pub use tool::{BladeKind, Condition, OwnedBar, OwnedBit, OwnedBlade, OwnedInsert, SOFT};

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
    /// Threading inserts owned, with what holds them.
    pub inserts: Vec<OwnedInsert>,
    /// Micrometers owned.
    #[serde(skip_serializing_if = "Vec::is_empty")]
    pub micrometers: Vec<OwnedMicrometer>,
    /// Boring bars, apart from the bits in them.
    #[serde(skip_serializing_if = "Vec::is_empty")]
    pub bars: Vec<OwnedBar>,
    /// Groovers and parting blades.
    #[serde(skip_serializing_if = "Vec::is_empty")]
    pub blades: Vec<OwnedBlade>,
    /// How far drills reach, of those whose length was told.
    #[serde(skip_serializing_if = "Vec::is_empty")]
    pub drill_reaches: Vec<DrillReach>,
    /// Reamers.
    #[serde(skip_serializing_if = "Vec::is_empty")]
    pub reamers: Vec<OwnedReamer>,
    /// Taps and dies.
    #[serde(skip_serializing_if = "Vec::is_empty")]
    pub chasers: Vec<OwnedChaser>,
    /// Plug and ring gauges for threads.
    #[serde(skip_serializing_if = "Vec::is_empty")]
    pub gauges: Vec<OwnedScrewGauge>,
    /// Indicators.
    #[serde(skip_serializing_if = "Vec::is_empty")]
    pub indicators: Vec<OwnedIndicator>,
    /// Dogs, centres, steadies, collets, arbors.
    #[serde(skip_serializing_if = "Vec::is_empty")]
    pub holders: Vec<OwnedHolder>,
    /// Materials of the user's own, beside the table.
    #[serde(skip_serializing_if = "Vec::is_empty")]
    pub materials: Vec<OwnMaterial>,
}

/// How far a drill reaches.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct DrillReach {
    /// Its diameter, mm.
    pub drill_mm: f64,
    /// How deep it drills, mm.
    pub reach_mm: f64,
}

/// Most things of a kind in a drawer.
const MOST: usize = 200;
/// Drills nearer than this are one, mm.
const SAME_MM: f64 = 1e-6;

impl Kit {
    /// The kit of the demo yard.
    #[must_use]
    pub fn alder_reach() -> Self {
        let yard: serde_json::Value = serde_json::from_str(include_str!("../../data/alder_reach.json")).unwrap_or_default();
        Self {
            wires_mm: part(&yard, "wires_mm"),
            drills_mm: drills(),
            bits: part(&yard, "bits"),
            inserts: part(&yard, "inserts"),
            micrometers: part(&yard, "micrometers"),
            blades: part(&yard, "blades"),
            reamers: part(&yard, "reamers"),
            chasers: part(&yard, "chasers"),
            gauges: part(&yard, "gauges"),
            indicators: part(&yard, "indicators"),
            holders: part(&yard, "holders"),
            ..Self::default()
        }
    }
}

impl Kit {
    /// A bit or bar by its name, with what is known of the bar it stands in.
    #[must_use]
    pub fn bit(&self, name: &str) -> Option<OwnedBit> {
        self.bits.iter().find(|b| b.name == name).map(|b| self.fitted(b))
    }

    /// A bit with the thickness, the reach and the nose of the bar it stands in.
    #[must_use]
    pub fn fitted(&self, bit: &OwnedBit) -> OwnedBit {
        let mut fitted = bit.clone();
        if let Some(bar) = self.bar_of(bit) {
            fitted.bar_diameter_mm = Some(bar.diameter_mm);
            fitted.reach_mm = Some(bar.reach_mm);
            fitted.body_ahead_mm = bit.body_ahead_mm.or(bar.nose_mm);
            if fitted.condition == Condition::Sharp {
                fitted.condition = bar.condition;
            }
        }
        fitted
    }

    /// The bar a bit stands in.
    #[must_use]
    pub fn bar_of(&self, bit: &OwnedBit) -> Option<&OwnedBar> {
        self.bars.iter().find(|b| bit.bar.as_deref() == Some(b.name.as_str()))
    }

    /// How deep a drill of this size goes, mm, where that was told.
    #[must_use]
    pub fn drill_reach(&self, drill: f64) -> Option<f64> {
        self.drill_reaches.iter().find(|d| (d.drill_mm - drill).abs() < SAME_MM).map(|d| d.reach_mm)
    }

    /// Width of the narrowest parting blade here that goes so deep, mm.
    #[must_use]
    pub fn parting_mm(&self, deep: f64) -> Option<f64> {
        let fit = |b: &&OwnedBlade| {
            let whole = !matches!(b.condition, Condition::Broken | Condition::Lent);
            whole && b.use_for == BladeKind::Parting && b.kind == Side::External && b.depth_mm.is_none_or(|d| d >= deep)
        };
        self.blades.iter().filter(fit).map(|b| b.width_mm).min_by(f64::total_cmp)
    }

    /// A holder of a kind for work of this diameter, mm.
    #[must_use]
    pub fn holder(&self, kind: HolderKind, diameter: f64) -> Option<&OwnedHolder> {
        self.holders.iter().find(|h| h.holds(kind, diameter))
    }

    /// Checks everything but wires and drills.
    #[allow(clippy::cast_precision_loss)] // counts of a drawer
    pub(super) fn check_tools(&self, c: &mut Checker) {
        for (shelf, count) in [
            ("bits", self.bits.len()),
            ("bars", self.bars.len()),
            ("blades", self.blades.len()),
            ("inserts", self.inserts.len()),
            ("micrometers", self.micrometers.len()),
            ("indicators", self.indicators.len()),
            ("gauges", self.gauges.len()),
            ("holders", self.holders.len()),
            ("reamers", self.reamers.len()),
            ("chasers", self.chasers.len()),
            ("materials", self.materials.len()),
        ] {
            c.within(count as f64, 0.0, MOST as f64, &format!("/kit/{shelf}"), "entries");
        }
        let mut names = Names::default();
        instrument::check(self, MOST, &mut names, c);
        tool::check(self, MOST, &mut names, c);
        holder::check(self, MOST, c);
        material::check(&self.materials, MOST, c);
        c.within(self.drill_reaches.len() as f64, 0.0, 500.0, "/kit/drill_reaches", "entries");
        for (i, one) in self.drill_reaches.iter().enumerate().take(500) {
            c.within(one.drill_mm, 0.05, 100.0, &format!("/kit/drill_reaches/{i}/drill_mm"), "mm");
            c.within(one.reach_mm, 1.0, 2000.0, &format!("/kit/drill_reaches/{i}/reach_mm"), "mm");
        }
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
