//! How far a round bar bends: work in its holding, a boring bar in its clamp.

use crate::working::{Rule, rule};
use std::f64::consts::PI;

rule!(BEND_FREE = "blank.bend_free", "How far it bends, far end free", (F: One "cutting force, N", L: Mm "stick-out", E: One "modulus, N/mm²", d: Mm "diameter") -> y: Mm,
    "64*F*L^3/(3*pi*E*d^4)", "cantilever F·L³/3EI, I = πd⁴/64", 64.0 * F * L.powi(3) / (3.0 * PI * E * d.powi(4)));
rule!(GIVES = "blank.gives", "How far it gives, for each newton", (L: Mm "stick-out", l: Mm "threaded length", D: Mm "diameter", d: Mm "root", E: One "modulus, N/mm²", k: One "far end: 0 free, 1 held by the tailstock, 2 driven and held at both ends") -> y: Mm,
    "table: unit load along the thread, M²/EI integrated, the root over the thread and the diameter elsewhere; the worst place", "beam theory: a bar clamped in the chuck, clamped and held by the tailstock, or held at both ends",
    gives(L, l.min(L), [D, d].map(|d| E * PI * d.powi(4) / 64.0), k));

/// All of them.
pub static ALL: &[&Rule] = &[&BEND_FREE, &GIVES];

/// Places along the thread at which the load is tried.
const PLACES: u32 = 24;

/// Deflection under a unit load, mm/N, at the worst place along the thread: the bar is `length` long, its far `thread` of it as stiff as the
/// second of `stiff` (EI, N·mm²), the rest as the first.
fn gives(length: f64, thread: f64, stiff: [f64; 2], ends: f64) -> f64 {
    let parts = [(0.0, length - thread, stiff[0]), (length - thread, length, stiff[1])];
    // ∫ (p − x)(q − x)/EI over the bar, to the nearer of the two loads.
    let both = |p: f64, q: f64| -> f64 {
        let whole = |x: f64| p * q * x - (p + q) * x * x / 2.0 + x.powi(3) / 3.0;
        parts.iter().map(|(a, b, ei)| (whole(b.min(p.min(q))) - whole(a.min(p.min(q)))) / ei).sum()
    };
    // ∫ x²/EI between two places, x from the end the moment is nought at.
    let squares = |from: f64, to: f64, end: f64| -> f64 {
        parts.iter().map(|(a, b, ei)| ((b.clamp(from, to) - end).powi(3) - (a.clamp(from, to) - end).powi(3)) / 3.0 / ei).sum()
    };
    let at = |a: f64| match ends {
        k if k > 1.5 => (1.0 - a / length).powi(2) * squares(0.0, a, 0.0) + (a / length).powi(2) * squares(a, length, length),
        k if k > 0.5 => both(a, a) - both(a, length).powi(2) / both(length, length),
        _ => both(a, a),
    };
    (0..=PLACES).map(|i| at(length - thread * f64::from(i) / f64::from(PLACES))).fold(0.0, f64::max)
}
