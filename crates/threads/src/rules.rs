//! Rules every family shares.

use crate::working::{Rule, rule};

rule!(IN_OF_MM = "thread.in_of_mm", "Inches of a length in mm", (x: Mm "length") -> x_in: In,
    "x/25.4", "exact since 1959", x / 25.4);
rule!(MM_OF_IN = "thread.mm_of_in", "Millimetres of a length in inches", (x: In "length") -> x_mm: Mm,
    "x*25.4", "exact since 1959", x * 25.4);
rule!(PITCH_OF_TPI = "thread.pitch_of_tpi", "Pitch of threads per inch", (n: One "threads per inch") -> P: Mm,
    "127/(5*n)", "1/TPI in, exact", 127.0 / (5.0 * n));
rule!(LEAD = "thread.lead", "Lead", (s: One "starts", P: Mm "pitch") -> L: Mm, "s*P", "definition", s * P);
rule!(LESS_UM = "thread.less_um", "Less an allowance or tolerance", (x: Mm "size", t: Um "allowance or tolerance") -> y: Mm,
    "x - t/1000", "definition", x - t / 1000.0);
rule!(PLUS_UM = "thread.plus_um", "Plus an allowance or tolerance", (x: Mm "size", t: Um "allowance or tolerance") -> y: Mm,
    "x + t/1000", "definition", x + t / 1000.0);

rule!(LESS_IN = "thread.less_in", "Less an allowance or tolerance", (x: In "size", t: In "allowance or tolerance") -> y: In, "x - t", "definition", x - t);
rule!(PLUS_IN = "thread.plus_in", "Plus an allowance or tolerance", (x: In "size", t: In "allowance or tolerance") -> y: In, "x + t", "definition", x + t);
rule!(LESS = "thread.less", "Less an allowance or tolerance", (x: Mm "size", t: Mm "allowance or tolerance") -> y: Mm, "x - t", "definition", x - t);
rule!(PLUS = "thread.plus", "Plus an allowance or tolerance", (x: Mm "size", t: Mm "allowance or tolerance") -> y: Mm, "x + t", "definition", x + t);
rule!(LEAD_ANGLE = "thread.lead_angle", "Lead angle", (L: Mm "lead", x: Mm "diameter") -> lambda: Deg,
    "atan(L/(pi*x))", "one turn unrolled", (L / (std::f64::consts::PI * x)).atan().to_degrees());
rule!(FLAT = "thread.flat", "Flat of the crest or root", (P: Mm "pitch", y: Mm "distance from the pitch line", alpha: Deg "half angle") -> f: Mm,
    "P/2 - 2*y*tan(alpha)", "half the pitch at the pitch line, narrowing along both flanks", P / 2.0 - 2.0 * y * alpha.to_radians().tan());
rule!(ROUNDING = "thread.rounding", "Radius of crest and root", (P: Mm "pitch", k: One "depth in pitches", alpha: Deg "half angle") -> r: Mm,
    "P*(1/(2*tan(alpha)) - k)/2/(1/sin(alpha) - 1)", "arc tangent to both flanks that takes the sharp height down to the depth: 0.137329P at 55°, 0.18083P at 47.5°",
    P * (1.0 / (2.0 * alpha.to_radians().tan()) - k) / 2.0 / (1.0 / alpha.to_radians().sin() - 1.0));
rule!(COATED_FLANK = "thread.coated_flank", "What a coating adds to the pitch diameter", (c: Mm "coating on a surface", alpha: Deg "half angle") -> y: Mm,
    "2*c/sin(alpha)", "each flank moves out by c, so the pitch line by c/sin α a side: 4c at 60°", 2.0 * c / alpha.to_radians().sin());
rule!(EVEN_HALF = "thread.even_half", "Half angle of the even groove that widens as fast", (a: Deg "leading flank", b: Deg "trailing flank") -> alpha: Deg,
    "atan((tan(a) + tan(b))/2)", "width grows by both tangents with depth: depth, tip and area follow as in an even groove", ((a.to_radians().tan() + b.to_radians().tan()) / 2.0).atan().to_degrees());
rule!(COATED_FLANKS = "thread.coated_flanks", "What a coating adds to the pitch diameter, flanks unequal", (c: Mm "coating on a surface", a: Deg "leading flank", b: Deg "trailing flank") -> y: Mm,
    "2*c*(1/cos(a) + 1/cos(b))/(tan(a) + tan(b))", "each flank moves by c square to itself, c/cos along the axis; both tangents turn that into depth",
    2.0 * c * (1.0 / a.to_radians().cos() + 1.0 / b.to_radians().cos()) / (a.to_radians().tan() + b.to_radians().tan()));
rule!(COATED_FLAT = "thread.coated_flat", "What a coating adds to the diameter", (c: Mm "coating on a surface") -> y: Mm, "2*c", "both sides", 2.0 * c);
rule!(NORMAL_LEAST = "thread.normal_least", "Shortest normal engagement", (d: Mm "nominal diameter", P: Mm "pitch") -> y: Mm, "2.24*P*d^0.2", "ISO 965-1 group N (recalled)", 2.24 * P * d.powf(0.2));
rule!(NORMAL_MOST = "thread.normal_most", "Longest normal engagement", (d: Mm "nominal diameter", P: Mm "pitch") -> y: Mm, "6.7*P*d^0.2", "ISO 965-1 group N (recalled)", 6.7 * P * d.powf(0.2));
rule!(HALF_OF = "thread.half_of", "Height between two diameters", (a: Mm "larger diameter", b: Mm "smaller diameter") -> y: Mm, "(a - b)/2", "half the difference", (a - b) / 2.0);
rule!(MIDDLE = "thread.middle", "Middle of the limits", (a: Mm "lower limit", b: Mm "upper limit") -> m: Mm, "(a + b)/2", "house: as far from scrap on either side", f64::midpoint(a, b));

/// To the micrometre, or the thou.
pub(super) fn round3(x: f64) -> f64 {
    (x * 1e3 + 1e-9).round() / 1e3
}

/// To a tenth of a thou as the standard's tables do it: six places first, then four, halves up.
pub(super) fn round4(x: f64) -> f64 {
    (round6(x) * 1e4 + 1e-9).round() / 1e4
}

/// To a millionth of an inch, as the standard carries its tolerances.
pub(super) fn round6(x: f64) -> f64 {
    (x * 1e6).round() / 1e6
}

/// All of them, each family's own, and those of a pair.
#[must_use]
pub fn all() -> Vec<&'static Rule> {
    [SHARED, &super::families::rules(), super::pair::rules::ALL].concat()
}

/// Those every family uses.
static SHARED: &[&Rule] = &[
    &IN_OF_MM,
    &MM_OF_IN,
    &PITCH_OF_TPI,
    &LEAD,
    &LESS_UM,
    &PLUS_UM,
    &LESS_IN,
    &PLUS_IN,
    &LESS,
    &PLUS,
    &LEAD_ANGLE,
    &FLAT,
    &ROUNDING,
    &EVEN_HALF,
    &COATED_FLANK,
    &COATED_FLANKS,
    &COATED_FLAT,
    &NORMAL_LEAST,
    &NORMAL_MOST,
    &HALF_OF,
    &MIDDLE,
];
