//! How many passes, and how deep each goes.

use super::rules;
use crate::working::{Num, Sheet};
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

/// How the depth is shared out among the passes.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum DepthLaw {
    /// Every pass takes the same area.
    #[default]
    ConstantArea,
    /// Every pass goes the same deeper.
    ConstantDepth,
}

/// A pass whose depth was set by hand.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct OwnRow {
    /// Its number.
    pub n: u32,
    /// Radial depth from touch, mm.
    pub radial_mm: f64,
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
    pub fn depths(&self, sheet: &mut Sheet) -> Vec<Num> {
        let alpha = Num::from(self.alpha_deg);
        let even = self.alpha_deg <= 0.0 || self.law == DepthLaw::ConstantDepth;
        let area = sheet.work(&rules::GROOVE_AREA, [self.flat, self.total, alpha]);
        let cut_by_now = |depth: f64| (rules::GROOVE_AREA.eval)(&[self.flat.value, depth, self.alpha_deg]);
        let n = self.passes.unwrap_or_else(|| self.count(area.value - cut_by_now(self.from.value)));
        let least = self.bounds.least_mm.max((self.total.value - self.from.value) / f64::from(MOST));
        let mut list: Vec<Num> = Vec::new();
        // The depth the present share-out goes on from, and the pass it stands at.
        let (mut base, mut base_area, mut at) = (self.from, (self.from.value > 0.0).then(|| sheet.work(&rules::GROOVE_AREA, [self.flat, self.from, alpha])), 0);
        let mut last = self.from.value;
        for k in 1..=n {
            if let Some(own) = self.own.iter().find(|o| o.n == k && k < n && o.radial_mm > last && o.radial_mm < self.total.value) {
                base = own.radial_mm.into();
                base_area = Some(sheet.work(&rules::GROOVE_AREA, [self.flat, base, alpha]));
                (at, last) = (k, own.radial_mm);
                list.push(base);
                continue;
            }
            let (step, steps) = (Num::from(f64::from(k - at)), Num::from(f64::from(n - at)));
            let mut sketch = |rule, operands: &[Num]| sheet.work_all(rule, operands, None);
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

#[cfg(test)]
mod tests {
    use super::*;
    use proptest::prelude::*;

    const BOUNDS: Bounds = Bounds { first_mm: 0.25, least_mm: 0.03 };

    fn spread(total: f64, flat: f64, passes: Option<u32>, law: DepthLaw, own: &[OwnRow]) -> Spread<'_> {
        Spread { from: 0.0.into(), total: total.into(), flat: flat.into(), alpha_deg: 30.0, passes, bounds: BOUNDS, law, own }
    }

    /// By strips of the trapezium, not by the formula solved: width grows 2·tan30° per depth.
    fn strips(flat: f64, x: f64) -> f64 {
        (0..2000).map(|i| (flat + 2.0 * (f64::from(i) + 0.5) / 2000.0 * x * 30_f64.to_radians().tan()) * x / 2000.0).sum()
    }

    proptest! {
        #[test]
        fn every_pass_takes_the_same_area(total in 0.2_f64..4.0, flat in 0.0_f64..0.6, n in 1_u32..60, row in 1_u32..60, share in 0.05_f64..0.95) {
            let list = spread(total, flat, Some(n), DepthLaw::ConstantArea, &[]).depths(&mut Sheet::default());
            prop_assert_eq!(list.len(), n as usize);
            let areas: Vec<f64> = list.iter().map(|x| strips(flat, x.value)).collect();
            for (i, pair) in [0.0].iter().chain(&areas).collect::<Vec<_>>().windows(2).enumerate() {
                let taken = pair[1] - pair[0];
                prop_assert!((taken - areas.last().unwrap() / f64::from(n)).abs() < 1e-5 * areas.last().unwrap().max(0.01), "pass {i}");
            }
            // One row set by hand: it stands, and those after it share what is left of the area alike.
            let own = [OwnRow { n: row, radial_mm: total * share }];
            let edited = spread(total, flat, Some(n), DepthLaw::ConstantArea, &own).depths(&mut Sheet::default());
            prop_assert!(edited.windows(2).all(|w| w[1].value > w[0].value) && edited.last().unwrap().value == total);
            let before = row.checked_sub(2).and_then(|i| list.get(i as usize)).map_or(0.0, |x| x.value);
            if row < n && own[0].radial_mm > before {
                prop_assert_eq!(edited[row as usize - 1].value, own[0].radial_mm);
                let after: Vec<f64> = edited[row as usize - 1..].windows(2).map(|w| strips(flat, w[1].value) - strips(flat, w[0].value)).collect();
                prop_assert!(after.iter().all(|a| (a - after[0]).abs() < 1e-4 * areas.last().unwrap().max(0.01)), "{after:?}");
            }
        }

        #[test]
        fn no_pass_is_bolder_or_finer_than_it_may_be(total in 0.2_f64..6.0, flat in 0.0_f64..0.6, even: bool) {
            let law = if even { DepthLaw::ConstantDepth } else { DepthLaw::ConstantArea };
            let list = spread(total, flat, None, law, &[]).depths(&mut Sheet::default());
            prop_assert!(list[0].value <= BOUNDS.first_mm + 1e-9 && list.len() <= 151);
            for pair in list.windows(2).rev().skip(1) {
                prop_assert!(pair[1].value - pair[0].value >= BOUNDS.least_mm - 1e-9);
            }
        }
    }
}
