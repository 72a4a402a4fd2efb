//! How far a round bar bends: work in its holding, a boring bar in its clamp.

use crate::working::{Rule, rule};

rule!(BEND_FREE = "blank.bend_free", "How far it bends, far end free", (F: One "cutting force, N", L: Mm "stick-out", E: One "modulus, N/mm²", d: Mm "diameter") -> y: Mm,
    "64*F*L^3/(3*pi*E*d^4)", "cantilever F·L³/3EI, I = πd⁴/64", 64.0 * F * L.powi(3) / (3.0 * std::f64::consts::PI * E * d.powi(4)));
rule!(BEND_CENTRE = "blank.bend_centre", "How far it bends, held by a centre", (F: One "cutting force, N", L: Mm "stick-out", E: One "modulus, N/mm²", d: Mm "diameter") -> y: Mm,
    "64*F*L^3/(48*sqrt(5)*pi*E*d^4)", "chuck and centre, worst place: F·L³/(48√5·EI), I = πd⁴/64", 64.0 * F * L.powi(3) / (48.0 * 5_f64.sqrt() * std::f64::consts::PI * E * d.powi(4)));

/// All of them.
pub static ALL: &[&Rule] = &[&BEND_FREE, &BEND_CENTRE];
