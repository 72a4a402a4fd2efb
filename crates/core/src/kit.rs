//! What is in the drawer: wires, bits, inserts and drills.

use crate::faults::Checker;
use crate::sentence;
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
    /// Threading inserts owned, with what holds them.
    pub inserts: Vec<OwnedInsert>,
    /// Micrometers owned.
    #[serde(skip_serializing_if = "Vec::is_empty")]
    pub micrometers: Vec<OwnedMicrometer>,
}

/// What a micrometer measures.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum MicrometerKind {
    /// Outside sizes, and sizes over wires.
    #[default]
    Outside,
    /// The pitch diameter of a screw, on a cone and a vee.
    Thread,
    /// The pitch diameter of a bore, on two ball or vee points.
    InsideThread,
}

/// A micrometer in the drawer.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct OwnedMicrometer {
    /// What it is called.
    pub name: String,
    /// What it measures.
    #[serde(default)]
    pub kind: MicrometerKind,
    /// Least it reads, mm.
    pub from_mm: f64,
    /// Most it reads, mm.
    pub to_mm: f64,
    /// What it reads with nothing between its anvils, mm: taken off every reading.
    #[serde(default)]
    pub zero_mm: f64,
    /// How far repeated readings of one size spread, mm.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub spread_mm: Option<f64>,
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
    /// Flat on the tip, mm; absent when it was reground and not measured since.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub tip_flat_mm: Option<f64>,
    /// Radius on the tip, mm, in place of a flat.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub tip_radius_mm: Option<f64>,
    /// Narrowest and widest the flat could be, mm, when it is only guessed.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub tip_flat_between_mm: Option<Vec<f64>>,
    /// Relief ground on the left side, seen from the front, the bit face up and its point away, degrees.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub left_relief_deg: Option<f64>,
    /// Relief ground on the right side, degrees.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub right_relief_deg: Option<f64>,
    /// Back rake, degrees.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub rake_deg: Option<f64>,
    /// Width of the bit, mm, its point in the middle where nothing else is told.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub width_mm: Option<f64>,
    /// From the point to whatever of it, or of its bar, stands foremost toward the headstock, mm.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub body_ahead_mm: Option<f64>,
    /// Bar diameter, mm.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub bar_diameter_mm: Option<f64>,
    /// Tip to the back of the bar, mm.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub tip_to_back_mm: Option<f64>,
    /// How far the bar reaches, mm.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub reach_mm: Option<f64>,
    /// How it is now.
    #[serde(default)]
    pub condition: Condition,
    /// What became of it, oldest first.
    #[serde(default, skip_serializing_if = "Vec::is_empty")]
    pub history: Vec<ToolEvent>,
}

/// How a tool is.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "lowercase")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Condition {
    /// Fit to cut.
    #[default]
    Sharp,
    /// Wants grinding.
    Worn,
    /// Done for.
    Broken,
}

/// Something that became of a tool.
#[derive(Debug, Clone, Default, PartialEq, Eq, Serialize, Deserialize)]
#[serde(default, deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ToolEvent {
    /// What: worn, reground, broken, measured, or in one's own words.
    pub what: String,
    /// The day, as the one who told it writes it.
    pub on: String,
}

/// A threading insert in the drawer, as its box says.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct OwnedInsert {
    /// What it is called.
    pub name: String,
    /// What it cuts.
    pub kind: Side,
    /// Whether it is shaped for one pitch, crest and all.
    pub full_profile: bool,
    /// Finest pitch it is for, mm; of a full profile, its only one.
    pub pitch_from_mm: f64,
    /// Coarsest pitch it is for, mm.
    pub pitch_to_mm: f64,
    /// Included angle, degrees.
    pub included_angle_deg: f64,
    /// Radius on its tip, mm.
    pub tip_radius_mm: f64,
    /// How far its seat tilts it along a right-hand thread, degrees; under nought for a left-hand one.
    #[serde(default)]
    pub seat_tilt_deg: f64,
    /// Its own clearance on each flank, degrees.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub clearance_deg: Option<f64>,
    /// Smallest bore its bar goes into, mm.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub smallest_bore_mm: Option<f64>,
    /// How far its bar reaches, mm.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub reach_mm: Option<f64>,
    /// Lowest surface speed it is sensible at, m/min.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub lowest_m_per_min: Option<f64>,
    /// How it is now.
    #[serde(default)]
    pub condition: Condition,
    /// What became of it, oldest first.
    #[serde(default, skip_serializing_if = "Vec::is_empty")]
    pub history: Vec<ToolEvent>,
}

/// Most tools of a kind in a drawer, and most kept of what became of one.
const MOST: usize = 200;
const MOST_HAPPENED: usize = 100;

impl Kit {
    /// The kit of the demo yard.
    #[must_use]
    pub fn alder_reach() -> Self {
        let yard: serde_json::Value = serde_json::from_str(include_str!("../data/alder_reach.json")).unwrap_or_default();
        Self {
            wires_mm: part(&yard, "wires_mm"),
            drills_mm: drills(),
            bits: part(&yard, "bits"),
            inserts: part(&yard, "inserts"),
            micrometers: part(&yard, "micrometers"),
        }
    }
}

impl Kit {
    /// Checks the bits and inserts.
    #[allow(clippy::cast_precision_loss)] // counts of a drawer
    pub(super) fn check_tools(&self, c: &mut Checker) {
        c.within(self.bits.len() as f64, 0.0, MOST as f64, "/kit/bits", "bits");
        c.within(self.inserts.len() as f64, 0.0, MOST as f64, "/kit/inserts", "inserts");
        c.within(self.micrometers.len() as f64, 0.0, MOST as f64, "/kit/micrometers", "micrometers");
        let mut names: Vec<&str> = Vec::new();
        for (i, one) in self.micrometers.iter().enumerate().take(MOST) {
            let at = |field: &str| format!("/kit/micrometers/{i}/{field}");
            called(&one.name, &[], &at, &mut names, c);
            c.within(one.from_mm, 0.0, 2000.0, &at("from_mm"), "mm");
            c.within(one.to_mm, one.from_mm.max(0.0) + 1.0, 2000.0, &at("to_mm"), "mm, past the least it reads");
            c.within(one.zero_mm, -1.0, 1.0, &at("zero_mm"), "mm");
            c.sound(one.spread_mm, 0.0, 0.5, &at("spread_mm"), "mm");
        }
        for (i, bit) in self.bits.iter().enumerate().take(MOST) {
            let at = |field: &str| format!("/kit/bits/{i}/{field}");
            called(&bit.name, &bit.history, &at, &mut names, c);
            c.within(bit.included_angle_deg, 0.0, 120.0, &at("included_angle_deg"), "degrees");
            let told = [bit.tip_flat_mm.is_some(), bit.tip_radius_mm.is_some(), bit.tip_flat_between_mm.is_some()];
            if told.iter().filter(|t| **t).count() > 1 {
                c.fault(at("tip_flat_mm"), sentence!("fact-give-flat-radius-two-flat"));
            }
            if bit.tip_flat_between_mm.as_ref().is_some_and(|b| !matches!(b[..], [low, high] if low >= 0.0 && high > low && high <= 50.0)) {
                c.fault(at("tip_flat_between_mm"), sentence!("fact-two-flats-wanted-narrower-first-2"));
            }
            for (value, low, high, field, unit) in [
                (bit.tip_flat_mm, 0.0, 50.0, "tip_flat_mm", "mm"),
                (bit.tip_radius_mm, 0.0, 20.0, "tip_radius_mm", "mm"),
                (bit.left_relief_deg, -10.0, 60.0, "left_relief_deg", "degrees"),
                (bit.right_relief_deg, -10.0, 60.0, "right_relief_deg", "degrees"),
                (bit.rake_deg, 0.0, 35.0, "rake_deg", "degrees"),
                (bit.bar_diameter_mm, 1.0, 500.0, "bar_diameter_mm", "mm"),
                (bit.tip_to_back_mm, 1.0, 1000.0, "tip_to_back_mm", "mm"),
                (bit.reach_mm, 1.0, 2000.0, "reach_mm", "mm"),
            ] {
                c.sound(value, low, high, &at(field), unit);
            }
        }
        for (i, insert) in self.inserts.iter().enumerate().take(MOST) {
            let at = |field: &str| format!("/kit/inserts/{i}/{field}");
            called(&insert.name, &insert.history, &at, &mut names, c);
            c.within(insert.included_angle_deg, 10.0, 120.0, &at("included_angle_deg"), "degrees");
            c.within(insert.tip_radius_mm, 0.0, 5.0, &at("tip_radius_mm"), "mm");
            c.within(insert.seat_tilt_deg, -20.0, 20.0, &at("seat_tilt_deg"), "degrees");
            c.within(insert.pitch_from_mm, 0.1, 50.0, &at("pitch_from_mm"), "mm");
            c.within(insert.pitch_to_mm, insert.pitch_from_mm.max(0.1), 50.0, &at("pitch_to_mm"), "mm, not finer than the finest");
            for (value, low, high, field, unit) in [
                (insert.clearance_deg, 0.0, 20.0, "clearance_deg", "degrees"),
                (insert.smallest_bore_mm, 1.0, 1000.0, "smallest_bore_mm", "mm"),
                (insert.reach_mm, 1.0, 2000.0, "reach_mm", "mm"),
                (insert.lowest_m_per_min, 0.0, 500.0, "lowest_m_per_min", "m/min"),
            ] {
                c.sound(value, low, high, &at(field), unit);
            }
        }
    }
}

/// A tool has a name of its own, and no endless story.
fn called<'a>(name: &'a str, history: &[ToolEvent], at: &dyn Fn(&str) -> String, names: &mut Vec<&'a str>, c: &mut Checker) {
    if name.trim().is_empty() || name.len() > 80 {
        c.fault(at("name"), sentence!("fact-name-1-80-letters-wanted"));
    } else if names.contains(&name) {
        c.fault(at("name"), sentence!("fact-drawer-twice-each-own-name", name = name));
    }
    names.push(name);
    if history.len() > MOST_HAPPENED || history.iter().any(|h| h.what.len() > 200 || h.on.len() > 40) {
        c.fault(at("history"), sentence!("fact-most-entries-most-200-letters", most_happened = MOST_HAPPENED));
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
