//! Shown.

use yoke_core::quantity::{inch_text, mm_text, plain_text, short_text};

#[test]
fn both_units_with_their_places() {
    assert_eq!(mm_text(18.2494), "18.249 mm");
    assert_eq!(inch_text(19.05), "0.7500 in");
    assert_eq!(plain_text(-0.00001, 3), "0.000");
    assert_eq!(plain_text(-0.5, 1), "−0.5");
    assert_eq!([short_text(100.0, 0), short_text(47.5, 2), short_text(55.0, 1), short_text(0.0, 3)], ["100", "47.5", "55", "0"]);
}
