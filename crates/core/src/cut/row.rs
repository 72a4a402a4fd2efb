//! A row of the schedule.

use super::dial::DialSetting;
use super::schedule::PassKind;
use crate::say;
use crate::voice::Voice;
use crate::working::Quantity;
use serde::{Deserialize, Serialize};

/// What is done after a pass before any goes deeper.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Then {
    /// The size is measured: what is left follows from it.
    Measure,
}

/// One pass: asked is exact, the rest is what the hand sets.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct PassRow {
    /// Its number; the scratch is 0.
    pub n: u32,
    /// What it is for.
    pub kind: PassKind,
    /// Radial depth asked for.
    pub asked_radial_mm: Quantity,
    /// Radial depth set.
    pub radial_mm: f64,
    /// Compound travel set; 0 when the cross-slide carries the depth.
    pub compound_mm: f64,
    /// Places the tip stands off the finished groove's middle, along the axis, mm, by a side-step of the compound: toward the
    /// leading side under nought.
    #[serde(skip_serializing_if = "crate::quantity::is_nought")]
    pub side_mm: f64,
    /// Area it takes, mm²; sent with the groove, by the part of the edge that takes it.
    #[serde(skip)]
    pub chip_mm2: f64,
    /// Pitch diameter to expect.
    pub pitch_diameter_mm: Quantity,
    /// Size over wires to expect; null while the wires would not bear.
    pub over_wires_mm: Option<Quantity>,
    /// What is done before anything goes deeper.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub then: Option<Then>,
    /// The setting, of each slide that is set.
    pub dial: Vec<DialSetting>,
}

/// How many passes there are after the scratch, in one count with its parts named: `13 passes and 2 springs`.
#[must_use]
pub fn counted(passes: &[PassRow], voice: Voice) -> String {
    let of = |wanted: &[PassKind]| passes.iter().filter(|p| wanted.contains(&p.kind)).count();
    let some = |n: usize, id: &str| (n > 0).then(|| say!(voice, id, n = n));
    let stocking = some(of(&[PassKind::Stocking]), "count-stocking");
    let parts = [stocking, some(of(&[PassKind::Cut, PassKind::Measured]), "count-passes"), some(of(&[PassKind::Spring]), "count-springs")];
    let parts: Vec<String> = parts.into_iter().flatten().collect();
    match parts.as_slice() {
        [] => say!(voice, "count-scratch-alone"),
        [one] => one.clone(),
        [one, other] => say!(voice, "count-two", one = one, other = other),
        [one, other, last, ..] => say!(voice, "count-three", one = one, other = other, last = last),
    }
}
