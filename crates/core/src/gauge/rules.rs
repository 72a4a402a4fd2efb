//! Rules of three-wire measurement.

use crate::thread::Flanks;
use crate::working::{Rule, rule};

/// How fast a groove between these flanks widens with depth.
fn tangents(a: f64, b: f64) -> f64 {
    a.to_radians().tan() + b.to_radians().tan()
}

fn wedge(a: f64, b: f64) -> f64 {
    Flanks { leading: a, trailing: b }.wedge()
}

rule!(BEST_WIRE = "gauge.best_wire", "Best wire, bearing on the pitch line", (P: Mm "pitch", alpha: Deg "half angle") -> w: Mm,
    "P/(2*cos(alpha))", "tangent to the flanks where thread and gap are equal", P / (2.0 * alpha.to_radians().cos()));
rule!(LEAST_WIRE = "gauge.least_wire", "Least wire that stands above the crests", (D: Mm "major diameter", E: Mm "pitch diameter", P: Mm "pitch", alpha: Deg "half angle") -> w: Mm,
    "(D - E + P/(2*tan(alpha)))/(1 + 1/sin(alpha))", "the size over wires set equal to the major diameter",
    (D - E + P / (2.0 * alpha.to_radians().tan())) / (1.0 + 1.0 / alpha.to_radians().sin()));
rule!(LARGEST_WIRE = "gauge.largest_wire", "Largest wire that still bears on the flank", (y: Mm "straight flank above the pitch line", P: Mm "pitch", alpha: Deg "half angle") -> w: Mm,
    "(y + P/(4*tan(alpha)))*2*sin(alpha)/(cos(alpha)^2)", "contact at the end of the straight flank: the crest's edge, or where its rounding begins",
    (y + P / (4.0 * alpha.to_radians().tan())) * 2.0 * alpha.to_radians().sin() / alpha.to_radians().cos().powi(2));
rule!(OVER_WIRES = "gauge.over_wires", "Size over three wires", (E: Mm "pitch diameter", w: Mm "wire", P: Mm "pitch", alpha: Deg "half angle") -> M: Mm,
    "E + w*(1 + 1/sin(alpha)) - P/(2*tan(alpha))", "wire resting in a V, lead angle neglected"; schools ["Trade habit: uncorrected for one start at 60°, 55° and 47½°; corrected for Acme, trapezoidal and many starts."],
    E + w * (1.0 + 1.0 / alpha.to_radians().sin()) - P / (2.0 * alpha.to_radians().tan()));
rule!(LEAD_CORRECTION = "gauge.lead_correction", "Correction for the lead angle", (w: Mm "wire", L: Mm "lead", E: Mm "pitch diameter", alpha: Deg "half angle") -> c: Mm,
    "w/2*(L/(pi*E))^2*cos(alpha)/tan(alpha)", "first order in the lead angle at the pitch diameter",
    w / 2.0 * (L / (std::f64::consts::PI * E)).powi(2) * alpha.to_radians().cos() / alpha.to_radians().tan());
rule!(BEST_WIRE_BETWEEN = "gauge.best_wire_between", "Best wire between unequal flanks, bearing on the pitch line of the steeper", (P: Mm "pitch", a: Deg "leading flank", b: Deg "trailing flank") -> w: Mm,
    "P/((tan(a) + tan(b))*(cos((a - b)/2)/sin((a + b)/2) - sin(min(a, b))))", "tangent to the flank nearest square to the axis where thread and gap are equal; it touches the other lower",
    P / (tangents(a, b) * (wedge(a, b) - a.min(b).to_radians().sin())));
rule!(LEAST_WIRE_BETWEEN = "gauge.least_wire_between", "Least wire that stands above the crests, flanks unequal", (D: Mm "major diameter", E: Mm "pitch diameter", P: Mm "pitch", a: Deg "leading flank", b: Deg "trailing flank") -> w: Mm,
    "(D - E + P/(tan(a) + tan(b)))/(1 + cos((a - b)/2)/sin((a + b)/2))", "the size over wires set equal to the major diameter",
    (D - E + P / tangents(a, b)) / (1.0 + wedge(a, b)));
rule!(LARGEST_WIRE_BETWEEN = "gauge.largest_wire_between", "Largest wire that still bears on both flanks, unequal", (y: Mm "straight flank above the pitch line", P: Mm "pitch", a: Deg "leading flank", b: Deg "trailing flank") -> w: Mm,
    "(2*y + P/(tan(a) + tan(b)))/(cos((a - b)/2)/sin((a + b)/2) - sin(min(a, b)))", "contact at the end of the steeper flank, which it touches higher",
    (2.0 * y + P / tangents(a, b)) / (wedge(a, b) - a.min(b).to_radians().sin()));
rule!(OVER_WIRES_BETWEEN = "gauge.over_wires_between", "Size over three wires, flanks unequal", (E: Mm "pitch diameter", w: Mm "wire", P: Mm "pitch", a: Deg "leading flank", b: Deg "trailing flank") -> M: Mm,
    "E + w*(1 + cos((a - b)/2)/sin((a + b)/2)) - P/(tan(a) + tan(b))", "wire resting in a V, its middle on the bisector of the flanks, lead angle neglected",
    E + w * (1.0 + wedge(a, b)) - P / tangents(a, b));
rule!(LEAD_CORRECTION_BETWEEN = "gauge.lead_correction_between", "Correction for the lead angle, flanks unequal", (w: Mm "wire", L: Mm "lead", E: Mm "pitch diameter", a: Deg "leading flank", b: Deg "trailing flank") -> c: Mm,
    "w/2*(L/(pi*E))^2*(cos(a) + cos(b))/(tan(a) + tan(b))", "first order in the lead angle: what each flank gives, and both tangents turn it into height",
    w / 2.0 * (L / (std::f64::consts::PI * E)).powi(2) * (a.to_radians().cos() + b.to_radians().cos()) / tangents(a, b));
rule!(CORRECTED = "gauge.corrected", "Size over three wires, corrected for the lead angle", (M: Mm "simple size over wires", c: Mm "correction") -> Mc: Mm, "M + c", "sum", M + c);
rule!(SETTLED = "gauge.settled", "Size over three wires where they really rest", (M: Mm "simple size over wires", c: Mm "how much higher the wires rest") -> Me: Mm, "M + c",
    "lowest seat, over its lean, of a straight wire between helical flanks", M + c);
rule!(PITCH_OF_WIRES = "gauge.pitch_of_wires", "Pitch diameter of a size over wires", (M: Mm "size over wires", w: Mm "wire", P: Mm "pitch", alpha: Deg "half angle") -> E: Mm,
    "M - w*(1 + 1/sin(alpha)) + P/(2*tan(alpha))", "the over-wires formula turned round",
    M - w * (1.0 + 1.0 / alpha.to_radians().sin()) + P / (2.0 * alpha.to_radians().tan()));
rule!(FUNCTIONAL_SCREW = "gauge.functional_screw", "Size a nut feels of a screw", (E: Mm "pitch diameter", p: Mm "what the lead's error feels like", f: Mm "what the flanks feel like") -> F: Mm,
    "E + p + f", "pitch and angle errors as their equivalents on the pitch diameter, both against the mate", E + p + f);
rule!(FUNCTIONAL_BORE = "gauge.functional_bore", "Size a screw feels of a nut", (E: Mm "pitch diameter", p: Mm "what the lead's error feels like", f: Mm "what the flanks feel like") -> F: Mm,
    "E - p - f", "pitch and angle errors as their equivalents on the pitch diameter, both against the mate", E - p - f);
rule!(LEFT = "gauge.left", "Clearance left between the members as felt", (i: Mm "the nut", e: Mm "the screw") -> c: Mm, "i - e", "difference", i - e);

/// All of them.
pub static ALL: &[&Rule] = &[
    &BEST_WIRE,
    &LEAST_WIRE,
    &LARGEST_WIRE,
    &OVER_WIRES,
    &LEAD_CORRECTION,
    &BEST_WIRE_BETWEEN,
    &LEAST_WIRE_BETWEEN,
    &LARGEST_WIRE_BETWEEN,
    &OVER_WIRES_BETWEEN,
    &LEAD_CORRECTION_BETWEEN,
    &CORRECTED,
    &SETTLED,
    &PITCH_OF_WIRES,
    &FUNCTIONAL_SCREW,
    &FUNCTIONAL_BORE,
    &LEFT,
];
