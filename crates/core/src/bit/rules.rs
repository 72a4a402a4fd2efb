//! Rules of the tip and its reliefs.

use crate::thread::families::{acme, square};
use crate::working::{Rule, rule};

rule!(CUT_OFF_FLAT = "bit.cut_off_flat", "How much of the sharp V a flat tip cuts off", (f: Mm "flat", alpha: Deg "half angle") -> t: Mm,
    "f/(2*tan(alpha))", "geometry of a truncated V", f / (2.0 * alpha.to_radians().tan()));
rule!(CUT_OFF_RADIUS = "bit.cut_off_radius", "How much of the sharp V a round tip cuts off", (rho: Mm "tip radius", alpha: Deg "half angle") -> t: Mm,
    "rho*(1/sin(alpha) - 1)", "circle tangent to both flanks", rho * (1.0 / alpha.to_radians().sin() - 1.0));
rule!(TIP_TO_PITCH = "bit.tip_to_pitch", "Tip to pitch line", (P: Mm "pitch", alpha: Deg "half angle", t: Mm "cut off the sharp V") -> h: Mm,
    "P/(4*tan(alpha)) - t", "half the sharp height less what the tip lacks"; schools ["0.6134P, 0.6495P and 0.7578P are this with a fixed tip in place of yours."],
    P / (4.0 * alpha.to_radians().tan()) - t);
rule!(EIGHTH = "bit.eighth", "Flat of an eighth of the pitch", (P: Mm "pitch") -> f: Mm, "P/8", "ISO 68-1 and ASME B1.1 basic root of the internal, and the trade's aim for the external", P / 8.0);
rule!(QUARTER = "bit.quarter", "Flat of a quarter of the pitch", (P: Mm "pitch") -> f: Mm, "P/4", "basic minor truncation: a wider flat cannot clear the mate", P / 4.0);
rule!(HALF_PITCH = "bit.half_pitch", "Width of half the pitch", (P: Mm "pitch") -> f: Mm, "P/2", "square thread: groove and land alike", P / 2.0);
rule!(SQUARE_MOST = "bit.square_most", "Widest bit for a square groove", (P: Mm "pitch") -> f: Mm, "P/2 + 0.02*P + 0.05", "house: side clearance of a working fit", P / 2.0 + square::side_room(P));
rule!(FLAT_TO_ROOT = "bit.flat_to_root", "Flat that reaches this root at size", (P: Mm "pitch", a: Mm "larger diameter", b: Mm "smaller diameter", alpha: Deg "half angle") -> f: Mm,
    "max(0, P/2 - (a - b)*tan(alpha))", "half the pitch at the pitch line, narrowing along both flanks to the root", (P / 2.0 - (a - b) * alpha.to_radians().tan()).max(0.0));
rule!(RADIUS_OF_FLAT = "bit.radius_of_flat", "Radius that reaches as deep as this flat", (f: Mm "flat", alpha: Deg "half angle") -> rho: Mm,
    "f/(2*tan(alpha))/(1/sin(alpha) - 1)", "both cut as much off the sharp V", f / (2.0 * alpha.to_radians().tan()) / (1.0 / alpha.to_radians().sin() - 1.0));
rule!(HANDBOOK = "bit.handbook", "Acme tip of the handbooks", (P: Mm "pitch") -> f: Mm,
    "table: 0.3707P − 0.259 × 0.020 in (0.010 finer than 10 TPI)", "basic root flat less what the clearance takes", 0.3707 * P - 0.259 * 25.4 * acme::clearance_in(P / 25.4));
rule!(RELIEF_LEADING = "bit.relief_leading", "Relief on the leading side", (c: Deg "working clearance", lambda: Deg "lead angle at the minor diameter") -> r: Deg,
    "c + lambda", "the flank falls away under the leading side by the lead angle", c + lambda);
rule!(RELIEF_TRAILING = "bit.relief_trailing", "Relief on the trailing side", (c: Deg "working clearance", lambda: Deg "lead angle at the major diameter") -> r: Deg,
    "max(2, c - lambda)", "the flank rises under the trailing side; never under 2°", (c - lambda).max(2.0));
rule!(EQUAL_FLAT = "bit.equal_flat", "Flat that cuts off as much as this tip", (t: Mm "cut off the sharp V", alpha: Deg "half angle") -> f: Mm,
    "2*t*tan(alpha)", "so that one depth law serves flats and radii", 2.0 * t * alpha.to_radians().tan());

rule!(SHARE_RADIUS = "bit.share_radius", "Radius of a rounded root", (P: Mm "pitch", k: One "share of the pitch") -> r: Mm, "k*P", "UNR 0.108P to 0.144P; ISO at least 0.125P for grade 8.8 and up", k * P);

/// All of them.
pub static ALL: &[&Rule] = &[
    &SHARE_RADIUS,
    &CUT_OFF_FLAT,
    &CUT_OFF_RADIUS,
    &TIP_TO_PITCH,
    &EIGHTH,
    &QUARTER,
    &HALF_PITCH,
    &SQUARE_MOST,
    &FLAT_TO_ROOT,
    &RADIUS_OF_FLAT,
    &HANDBOOK,
    &RELIEF_LEADING,
    &RELIEF_TRAILING,
    &EQUAL_FLAT,
];
