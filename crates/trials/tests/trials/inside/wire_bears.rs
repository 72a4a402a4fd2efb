//! Wire bears.

use yoke_core::thread::{Flanks, Groove, NoSeat, bears};

#[test]
fn wires_do_not_bear_in_a_shallow_groove() {
    // M20×2.5, wire 1.45: at full depth they bear; after a scratch they would sit on the crests.
    let at = |e: f64, w: f64, crest: f64| bears(&Groove { pitch_diameter_mm: e, pitch_mm: 2.5, lead_mm: 2.5, flanks: Flanks::even(30.0) }, w, crest, 0.8);
    assert!(at(18.25, 1.45, 19.8).is_ok());
    assert!(at(21.0, 1.45, 19.8).is_err());
    assert!(at(18.25, 1.2, 19.98).is_err_and(|why| why == NoSeat::BelowCrests));
    assert!(at(18.25, 3.0, 19.98).is_err_and(|why| why == NoSeat::OnCrests));
}
