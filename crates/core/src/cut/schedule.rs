//! How many passes, and how deep each goes.

use super::rules;
use crate::job::{DepthLaw, OwnRow};
use crate::working::{Num, Worksheet};
use serde::{Deserialize, Serialize};

/// What a pass is for.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum PassKind {
    /// Proves the pitch.
    Scratch,
    /// Roughs with the narrower stocking tool.
    Stocking,
    /// Removes metal.
    Cut,
    /// Takes out what sprang away; no infeed.
    Spring,
    /// Asked for by a measurement.
    Measured,
}

/// Depth of the scratch pass, mm radial: enough to see, too little to spoil.
pub(super) const SCRATCH_MM: f64 = 0.05;
/// More passes than this are never proposed; finer steps are merged.
const MOST: u32 = 150;
/// Share of the boldest first cut that every pass may go deeper by, when all go the same: the chip grows wider with depth.
/// House value.
const EVEN_SHARE: f64 = 0.5;

/// How boldly and how finely a pass may cut, mm radial.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Bounds {
    /// Deepest first cut.
    pub first_mm: f64,
    /// Least cut that still cuts rather than rubs.
    pub least_mm: f64,
}

/// What is to be shared out.
#[derive(Debug, Clone, Copy)]
pub struct Spread<'a> {
    /// Depth the passes start from, mm radial; 0 from the surface.
    pub from: Num,
    /// Full depth.
    pub total: Num,
    /// Flat the tip is worth.
    pub flat: Num,
    /// Half angle, degrees.
    pub alpha_deg: f64,
    /// How many, when that was asked for.
    pub passes: Option<u32>,
    /// How boldly, how finely.
    pub bounds: Bounds,
    /// The law.
    pub law: DepthLaw,
    /// Passes set by hand; those after one are shared out anew from it.
    pub own: &'a [OwnRow],
}

impl Spread<'_> {
    /// How many passes, when that was not asked for: the fewest none of which is bolder than the first may be.
    fn count(&self, area: f64) -> u32 {
        let by = match self.law {
            // Each takes A/N, so the fewest follow from the area the boldest first pass takes.
            DepthLaw::ConstantArea if self.alpha_deg > 0.0 => {
                area / (rules::GROOVE_AREA.eval)(&[
                    self.flat.value + 2.0 * self.from.value * self.alpha_deg.to_radians().tan(),
                    self.bounds.first_mm,
                    self.alpha_deg,
                ])
            }
            DepthLaw::ConstantArea => (self.total.value - self.from.value) / self.bounds.first_mm,
            DepthLaw::ConstantDepth => (self.total.value - self.from.value) / (EVEN_SHARE * self.bounds.first_mm),
        };
        #[allow(clippy::cast_possible_truncation, clippy::cast_sign_loss)] // clamped
        let n = (by - 1e-9).ceil().clamp(1.0, 100_000.0) as u32;
        n
    }

    /// Depths of the cutting passes. With no number given, passes too fine to cut are merged.
    #[must_use]
    pub fn depths(&self, sheet: &mut Worksheet) -> Vec<Num> {
        let alpha = Num::from(self.alpha_deg);
        let even = self.alpha_deg <= 0.0 || self.law == DepthLaw::ConstantDepth;
        let area = sheet.apply(&rules::GROOVE_AREA, [self.flat, self.total, alpha]);
        let cut_by_now = |depth: f64| (rules::GROOVE_AREA.eval)(&[self.flat.value, depth, self.alpha_deg]);
        let n = self.passes.unwrap_or_else(|| self.count(area.value - cut_by_now(self.from.value)));
        let least = self.bounds.least_mm.max((self.total.value - self.from.value) / f64::from(MOST));
        let mut list: Vec<Num> = Vec::new();
        // The depth the present share-out goes on from, and the pass it stands at.
        let (mut base, mut base_area, mut at) =
            (self.from, (self.from.value > 0.0).then(|| sheet.apply(&rules::GROOVE_AREA, [self.flat, self.from, alpha])), 0);
        let mut last = self.from.value;
        for k in 1..=n {
            if let Some(own) = self.own.iter().find(|o| o.n == k && k < n && o.radial_mm > last && o.radial_mm < self.total.value) {
                base = own.radial_mm.into();
                base_area = Some(sheet.apply(&rules::GROOVE_AREA, [self.flat, base, alpha]));
                (at, last) = (k, own.radial_mm);
                list.push(base);
                continue;
            }
            let (step, steps) = (Num::from(f64::from(k - at)), Num::from(f64::from(n - at)));
            let mut sketch = |rule, operands: &[Num]| sheet.apply_all(rule, operands, None);
            let value = match (even, base_area) {
                (true, None) => (rules::EVEN_DEPTH.eval)(&[self.total.value, step.value, steps.value]),
                (true, Some(_)) => (rules::EVEN_FROM.eval)(&[base.value, self.total.value, step.value, steps.value]),
                (false, None) => (rules::CONSTANT_AREA.eval)(&[self.flat.value, area.value, self.alpha_deg, step.value, steps.value]),
                (false, Some(a)) => (rules::AREA_FROM.eval)(&[self.flat.value, a.value, area.value, self.alpha_deg, step.value, steps.value]),
            };
            if self.passes.is_none() && k < n && value - last < least {
                continue;
            }
            last = value;
            // The last pass is the infeed itself, not its square root squared again.
            list.push(if k == n {
                self.total
            } else {
                match (even, base_area) {
                    (true, None) => sketch(&rules::EVEN_DEPTH, &[self.total, step, steps]),
                    (true, Some(_)) => sketch(&rules::EVEN_FROM, &[base, self.total, step, steps]),
                    (false, None) => sketch(&rules::CONSTANT_AREA, &[self.flat, area, alpha, step, steps]),
                    (false, Some(a)) => sketch(&rules::AREA_FROM, &[self.flat, a, area, alpha, step, steps]),
                }
            });
        }
        list
    }
}
