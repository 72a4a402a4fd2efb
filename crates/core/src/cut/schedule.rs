//! How many passes, and how deep each goes.

use super::rules;
use crate::job::Material;
use crate::working::{Num, Sheet};
use serde::{Deserialize, Serialize};

/// What a pass is for.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum PassKind {
    /// Proves the pitch.
    Scratch,
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

/// Depths of the cutting passes by constant area. With no number given, the fewest whose first pass
/// is not bolder than the material allows; passes too fine to cut are then merged.
#[must_use]
pub fn depths(sheet: &mut Sheet, total: Num, flat: Num, alpha_deg: f64, passes: Option<u32>, material: &Material) -> Vec<Num> {
    let straight = alpha_deg <= 0.0;
    let area = sheet.work(&rules::GROOVE_AREA, [flat, total, alpha_deg.into()]);
    let at = |k: u32, n: u32| [flat, area, Num::from(alpha_deg), Num::from(f64::from(k)), Num::from(f64::from(n))];
    let even = |k: u32, n: u32| [total, Num::from(f64::from(k)), Num::from(f64::from(n))];
    let value = |k: u32, n: u32| {
        if straight { (rules::EVEN_DEPTH.eval)(&even(k, n).map(|v| v.value)) } else { (rules::CONSTANT_AREA.eval)(&at(k, n).map(|v| v.value)) }
    };
    // Each pass takes A/N, so the fewest passes follow from the area the boldest first pass takes.
    let first = (rules::GROOVE_AREA.eval)(&[flat.value, material.first_cut_mm, alpha_deg]);
    #[allow(clippy::cast_possible_truncation, clippy::cast_sign_loss)] // clamped
    let n = passes.unwrap_or_else(|| (area.value / first).ceil().clamp(1.0, 100_000.0) as u32);
    let least = material.least_cut_mm.max(total.value / f64::from(MOST));
    let mut list = Vec::new();
    let mut last = 0.0;
    for k in 1..=n {
        let step = value(k, n) - last;
        if passes.is_none() && k < n && step < least {
            continue;
        }
        last = value(k, n);
        // The last pass is the infeed itself, not its square root squared again.
        list.push(if k == n {
            total
        } else if straight {
            sheet.work(&rules::EVEN_DEPTH, even(k, n))
        } else {
            sheet.work(&rules::CONSTANT_AREA, at(k, n))
        });
    }
    list
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::job::materials;
    use proptest::prelude::*;

    proptest! {
        #[test]
        fn every_pass_takes_the_same_area(total in 0.2_f64..4.0, flat in 0.0_f64..0.6, n in 1_u32..60) {
            let list = depths(&mut Sheet::default(), total.into(), flat.into(), 30.0, Some(n), &materials()[0]);
            prop_assert_eq!(list.len(), n as usize);
            // By strips of the trapezium, not by the formula solved: width grows 2·tan30° per depth.
            let area = |x: f64| (0..2000).map(|i| { let y = (f64::from(i) + 0.5) / 2000.0 * x; (flat + 2.0 * y * 30_f64.to_radians().tan()) * x / 2000.0 }).sum::<f64>();
            for (k, x) in list.iter().enumerate() {
                #[allow(clippy::cast_precision_loss)]
                let share = (k + 1) as f64 / f64::from(n);
                prop_assert!((area(x.value) - share * area(total)).abs() < 1e-5 * area(total).max(1.0));
            }
        }

        #[test]
        fn proposed_passes_keep_the_material_bounds(total in 0.2_f64..3.0, flat in 0.0_f64..0.5) {
            for material in materials() {
                let list = depths(&mut Sheet::default(), total.into(), flat.into(), 30.0, None, material);
                prop_assert!((list.last().map_or(0.0, |x| x.value) - total).abs() < 1e-12);
                prop_assert!(list[0].value <= material.first_cut_mm + 1e-9);
                prop_assert!(list.windows(2).all(|w| w[1].value > w[0].value));
            }
        }
    }
}
