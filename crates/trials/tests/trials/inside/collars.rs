//! Collars.

use proptest::prelude::*;
use yoke_core::cut::{DepthDial, SlideName};
use yoke_core::job::checked;
use yoke_core::voice::Voice;

fn inch_compound(angle: f64) -> DepthDial {
    let lathe = checked(&serde_json::from_value(yoke_trials::demo_lathe(0)).unwrap(), Voice::default()).unwrap().lathe;
    DepthDial::new(SlideName::Compound, &lathe.compound, angle)
}

#[test]
fn turns_and_divisions() {
    let set = inch_compound(0.0).nearest(25.4 * 0.1385);
    assert_eq!(set.setting.text, "1 turn + 38.5 div");
    assert_eq!(set.setting.reading, "0.1385 in");
    // 1.20 radial wants 1.38 on a slide slanted 29.5°: the slip the card exists to prevent.
    assert!((inch_compound(29.5).nearest(1.20).travel_mm - 1.20 / 29.5_f64.to_radians().cos()).abs() < 0.0127);
}

proptest! {
    #[test]
    fn rounding_is_to_half_a_division_and_shallow_is_never_past(radial in 0.0_f64..8.0, angle in 0.0_f64..45.0) {
        let dial = inch_compound(angle);
        let half_radial = dial.graduation_mm / 2.0 / dial.reading_per_radial;
        prop_assert!((dial.nearest(radial).radial_mm - radial).abs() <= half_radial / 2.0 + 1e-9);
        let shallow = dial.shallow(radial).radial_mm;
        prop_assert!(shallow <= radial + 1e-8 && shallow > radial - half_radial - 1e-8);
        let set = dial.nearest(radial);
        let reading = (f64::from(set.setting.turns) * set.setting.of + set.setting.divisions) * 0.001;
        prop_assert!((dial.radial_of_reading(reading) - set.radial_mm).abs() < 1e-9);
    }
}
