//! Schedule.

use proptest::prelude::*;
use yoke_core::cut::{Bounds, Spread};
use yoke_core::job::{DepthLaw, OwnRow};
use yoke_core::working::Worksheet;

const BOUNDS: Bounds = Bounds { first_mm: 0.25, area_mm2: 0.3, unslender_mm2: 0.3, least_mm: 0.03 };

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
        let list = spread(total, flat, Some(n), DepthLaw::ConstantArea, &[]).depths(&mut Worksheet::default());
        prop_assert_eq!(list.len(), n as usize);
        let areas: Vec<f64> = list.iter().map(|x| strips(flat, x.value)).collect();
        for (i, pair) in [0.0].iter().chain(&areas).collect::<Vec<_>>().windows(2).enumerate() {
            let taken = pair[1] - pair[0];
            prop_assert!((taken - areas.last().unwrap() / f64::from(n)).abs() < 1e-5 * areas.last().unwrap().max(0.01), "pass {i}");
        }
        // One row set by hand: it stands, and those after it share what is left of the area alike.
        let own = [OwnRow { n: row, radial_mm: total * share }];
        let edited = spread(total, flat, Some(n), DepthLaw::ConstantArea, &own).depths(&mut Worksheet::default());
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
        let list = spread(total, flat, None, law, &[]).depths(&mut Worksheet::default());
        prop_assert!(list[0].value <= BOUNDS.first_mm + 1e-9 && list.len() <= 151);
        for pair in list.windows(2).rev().skip(1) {
            prop_assert!(pair[1].value - pair[0].value >= BOUNDS.least_mm - 1e-9);
        }
    }
}
