//! Estimate.

use yoke_core::gauge::{Lag, normal_area as area, normal_density as density};

#[test]
fn the_normal_curve_has_its_known_areas_and_its_own_slope() {
    for (x, known) in [(0.0, 0.5), (1.0, 0.841_344_746), (1.959_964, 0.975), (-2.326_348, 0.01), (6.0, 1.0)] {
        assert!((area(x) - known).abs() < 2e-7, "{x}");
    }
    for i in -40..40 {
        let x = f64::from(i) / 10.0 + 0.03;
        assert!(((area(x + 1e-3) - area(x - 1e-3)) / 2e-3 - density(x)).abs() < 2e-4);
    }
}

#[test]
fn the_lag_follows_the_passes_and_grows_as_it_is_said_to() {
    // By hand, a fifth springing away: 0.4 in leaves 0.08; 0.2 more leaves 0.2·0.28 = 0.056; a spring pass leaves 0.0112.
    assert!((Lag::after(&[0.4, 0.6, 0.6], 0.2).left - 0.0112).abs() < 1e-12);
    for s in [0.05, 0.2, 0.4] {
        let at = |s: f64| Lag::after(&[0.4, 0.6, 0.7, 0.7, 0.72], s);
        assert!((at(s).grows - (at(s + 1e-6).left - at(s - 1e-6).left) / 2e-6).abs() < 1e-6);
    }
    let passes = Lag::after(&[0.5, 0.55, 0.6, 0.65], 0.2);
    assert!((Lag::after(&[0.5], 0.2).on_to(0.65, 0.05, 0.2).left - passes.left).abs() < 1e-12);
    assert!(Lag::after(&[1.0, 0.4], 0.3).left >= 0.0, "drawn back, nothing is left to come");
}
