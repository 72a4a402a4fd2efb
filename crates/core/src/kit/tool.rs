//! What cuts and is kept by name: bits, the bars they stand in, inserts, groovers and parting blades.

use super::list::{Names, ToolEvent, story};
use crate::faults::Checker;
use crate::sentence;
use crate::thread::Side;
use serde::{Deserialize, Serialize};

/// A bit or bar in the drawer, as measured.
#[derive(Debug, Clone, Default, PartialEq, Serialize, Deserialize)]
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
    /// Angle of the rest the left side was ground on, its edge along the wheel's face, degrees: the relief follows where none is told.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub left_rest_deg: Option<f64>,
    /// Angle of the rest the right side was ground on, degrees.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub right_rest_deg: Option<f64>,
    /// How far its holder tilts it to the lead of a right-hand thread, degrees; under nought to that of a left-hand one.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub tilt_deg: Option<f64>,
    /// Width of the bit, mm, its point in the middle where nothing else is told.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub width_mm: Option<f64>,
    /// Thickness of the bit, top to bottom, mm.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub thickness_mm: Option<f64>,
    /// How far its point stands to the left of its middle, seen with its face up and its point away, mm; under nought to the right.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub point_left_mm: Option<f64>,
    /// The bar it stands in, by name: then thickness, reach and make of the bar are that one's.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub bar: Option<String>,
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
    /// Out of the house, at somebody else's.
    Lent,
}

/// A threading insert in the drawer, as its box says.
#[derive(Debug, Clone, Default, PartialEq, Serialize, Deserialize)]
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

/// Material of a bit of soft steel, turned to practise on: it cuts nothing.
pub const SOFT: &str = "soft_steel";

/// A boring bar, apart from the bit in it.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct OwnedBar {
    /// What it is called.
    pub name: String,
    /// Thickness, mm.
    pub diameter_mm: f64,
    /// How far it reaches out of its holder, mm.
    pub reach_mm: f64,
    /// Whether it is of carbide: three times as stiff as steel.
    #[serde(default, skip_serializing_if = "std::ops::Not::not")]
    pub carbide: bool,
    /// From the middle of the bit's hole to whatever of the bar stands foremost, mm.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub nose_mm: Option<f64>,
    /// How it is now.
    #[serde(default)]
    pub condition: Condition,
    /// What became of it, oldest first.
    #[serde(default, skip_serializing_if = "Vec::is_empty")]
    pub history: Vec<ToolEvent>,
}

/// What a blade is for.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum BladeKind {
    /// Grooves.
    #[default]
    Groover,
    /// Parting off.
    Parting,
}

/// A groover or a parting blade.
#[derive(Debug, Clone, Default, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct OwnedBlade {
    /// What it is called.
    pub name: String,
    /// What it is for.
    #[serde(default)]
    pub use_for: BladeKind,
    /// What it cuts.
    pub kind: Side,
    /// Width of its edge, mm.
    pub width_mm: f64,
    /// Radius on its corners, mm: half its width is a full round. Absent where nobody measured it.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub corner_mm: Option<f64>,
    /// How deep it goes before its shank, mm.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub depth_mm: Option<f64>,
    /// Relief under its end, degrees.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub end_relief_deg: Option<f64>,
    /// Of one for bores, its span, edge to back, mm.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub tip_to_back_mm: Option<f64>,
    /// Of one for bores, how far it reaches in, mm.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub reach_mm: Option<f64>,
    /// How it is now.
    #[serde(default)]
    pub condition: Condition,
    /// What became of it, oldest first.
    #[serde(default, skip_serializing_if = "Vec::is_empty")]
    pub history: Vec<ToolEvent>,
}

impl OwnedBit {
    /// Where the bit's two sides stand from its point, left and right, mm, where its width is told.
    #[must_use]
    pub fn sides_mm(&self) -> Option<[f64; 2]> {
        let (half, left) = (self.width_mm? / 2.0, self.point_left_mm.unwrap_or(0.0));
        Some([half - left, half + left])
    }

    /// Reliefs of its two sides seen from the front, degrees: as told, or as the rest it was ground on left them. With the edge along the
    /// wheel's face tan θn = tan θs·cos α, α half the included angle.
    #[must_use]
    pub fn reliefs_deg(&self) -> [Option<f64>; 2] {
        let cos = (self.included_angle_deg / 2.0).to_radians().cos();
        let seen = |rest: f64| (rest.to_radians().tan() / cos).atan().to_degrees();
        [self.left_relief_deg.or(self.left_rest_deg.map(seen)), self.right_relief_deg.or(self.right_rest_deg.map(seen))]
    }

    fn check(&self, at: &dyn Fn(&str) -> String, bars: &[OwnedBar], c: &mut Checker) {
        c.within(self.included_angle_deg, 0.0, 120.0, &at("included_angle_deg"), "degrees");
        let told = [self.tip_flat_mm.is_some(), self.tip_radius_mm.is_some(), self.tip_flat_between_mm.is_some()];
        if told.iter().filter(|t| **t).count() > 1 {
            c.fault(at("tip_flat_mm"), sentence!("fact-give-flat-radius-two-flat"));
        }
        if self.tip_flat_between_mm.as_ref().is_some_and(|b| !matches!(b[..], [low, high] if low >= 0.0 && high > low && high <= 50.0)) {
            c.fault(at("tip_flat_between_mm"), sentence!("fact-two-flats-wanted-narrower-first-2"));
        }
        let half = self.width_mm.filter(|w| w.is_finite() && *w > 0.0).unwrap_or(100.0) / 2.0;
        for (value, low, high, field, unit) in [
            (self.tip_flat_mm, 0.0, 50.0, "tip_flat_mm", "mm"),
            (self.tip_radius_mm, 0.0, 20.0, "tip_radius_mm", "mm"),
            (self.left_relief_deg, -10.0, 60.0, "left_relief_deg", "degrees"),
            (self.right_relief_deg, -10.0, 60.0, "right_relief_deg", "degrees"),
            (self.left_rest_deg, -10.0, 45.0, "left_rest_deg", "degrees"),
            (self.right_rest_deg, -10.0, 45.0, "right_rest_deg", "degrees"),
            (self.tilt_deg, -20.0, 45.0, "tilt_deg", "degrees toward the lead"),
            (self.rake_deg, 0.0, 35.0, "rake_deg", "degrees"),
            (self.width_mm, 0.5, 100.0, "width_mm", "mm"),
            (self.thickness_mm, 0.5, 100.0, "thickness_mm", "mm"),
            (self.point_left_mm, -half, half, "point_left_mm", "mm, inside the bit"),
            (self.body_ahead_mm, 0.0, 200.0, "body_ahead_mm", "mm"),
            (self.bar_diameter_mm, 1.0, 500.0, "bar_diameter_mm", "mm"),
            (self.tip_to_back_mm, 1.0, 1000.0, "tip_to_back_mm", "mm"),
            (self.reach_mm, 1.0, 2000.0, "reach_mm", "mm"),
        ] {
            c.sound(value, low, high, &at(field), unit);
        }
        if let Some(bar) = self.bar.as_ref().filter(|bar| !bars.iter().any(|b| b.name == **bar)) {
            c.fault(at("bar"), sentence!("kit-no-such-bar", bar = bar));
        }
        for (rest, relief, field) in
            [(self.left_rest_deg, self.left_relief_deg, "left_rest_deg"), (self.right_rest_deg, self.right_relief_deg, "right_rest_deg")]
        {
            if rest.is_some() && relief.is_some() {
                c.fault(at(field), sentence!("kit-rest-or-relief"));
            }
        }
    }
}

/// Checks bits, the bars they stand in, inserts and blades, of each the first so many.
pub(super) fn check<'a>(kit: &'a super::Kit, most: usize, names: &mut Names<'a>, c: &mut Checker) {
    for (i, bit) in kit.bits.iter().enumerate().take(most) {
        let at = |field: &str| format!("/kit/bits/{i}/{field}");
        names.take(&bit.name, &at("name"), c);
        story(&bit.history, &at("history"), c);
        bit.check(&at, &kit.bars, c);
    }
    for (i, bar) in kit.bars.iter().enumerate().take(most) {
        let at = |field: &str| format!("/kit/bars/{i}/{field}");
        names.take(&bar.name, &at("name"), c);
        story(&bar.history, &at("history"), c);
        c.within(bar.diameter_mm, 1.0, 500.0, &at("diameter_mm"), "mm");
        c.within(bar.reach_mm, 1.0, 2000.0, &at("reach_mm"), "mm");
        c.sound(bar.nose_mm, 0.0, 200.0, &at("nose_mm"), "mm");
    }
    for (i, blade) in kit.blades.iter().enumerate().take(most) {
        let at = |field: &str| format!("/kit/blades/{i}/{field}");
        names.take(&blade.name, &at("name"), c);
        story(&blade.history, &at("history"), c);
        let width = c.within(blade.width_mm, 0.2, 50.0, &at("width_mm"), "mm");
        let half = if width { blade.width_mm / 2.0 } else { 25.0 };
        c.sound(blade.corner_mm, 0.0, half, &at("corner_mm"), "mm; half the width is a full round");
        c.sound(blade.depth_mm, 0.5, 200.0, &at("depth_mm"), "mm");
        c.sound(blade.end_relief_deg, 0.0, 45.0, &at("end_relief_deg"), "degrees");
        c.sound(blade.tip_to_back_mm, 1.0, 1000.0, &at("tip_to_back_mm"), "mm");
        c.sound(blade.reach_mm, 1.0, 2000.0, &at("reach_mm"), "mm");
    }
    for (i, insert) in kit.inserts.iter().enumerate().take(most) {
        let at = |field: &str| format!("/kit/inserts/{i}/{field}");
        names.take(&insert.name, &at("name"), c);
        story(&insert.history, &at("history"), c);
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
