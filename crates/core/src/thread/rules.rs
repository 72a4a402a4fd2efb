//! Rules of 60° threads: basics and limits.

use super::tables;
use crate::working::{Rule, rule};

rule!(IN_OF_MM = "thread.in_of_mm", "Inches of a length in mm", (x: Mm "length") -> x_in: In,
    "x/25.4", "exact since 1959", x / 25.4);
rule!(MM_OF_IN = "thread.mm_of_in", "Millimetres of a length in inches", (x: In "length") -> x_mm: Mm,
    "x*25.4", "exact since 1959", x * 25.4);
rule!(PITCH_OF_TPI = "thread.pitch_of_tpi", "Pitch of threads per inch", (n: One "threads per inch") -> P: Mm,
    "127/(5*n)", "1/TPI in, exact", 127.0 / (5.0 * n));
rule!(LEAD = "thread.lead", "Lead", (s: One "starts", P: Mm "pitch") -> L: Mm, "s*P", "definition", s * P);
rule!(ISO_PITCH_BASIC = "thread.iso_pitch_basic", "Basic pitch diameter", (D: Mm "nominal diameter", P: Mm "pitch") -> E: Mm,
    "round3(D - 0.375*sqrt(3)*P)", "ISO 724: D less three quarters of the sharp height, to the micrometre",
    round3(D - 0.375 * 3_f64.sqrt() * P));
rule!(ISO_MINOR_BASIC = "thread.iso_minor_basic", "Basic minor diameter", (D: Mm "nominal diameter", P: Mm "pitch") -> D1: Mm,
    "round3(D - 0.625*sqrt(3)*P)", "ISO 724: D less five quarters of the sharp height, to the micrometre",
    round3(D - 0.625 * 3_f64.sqrt() * P));
rule!(ISO_DEVIATION = "thread.iso_deviation", "Fundamental deviation", (P: Mm "pitch", c: One "position: 0 h or H, 1 g or G, 2 f, 3 e") -> e: Um,
    "table: ISO 965-1 by pitch; outside it 15, 30 or 50 + 11P", "ISO 965-1", tables::deviation_um(P, c).0);
rule!(ISO_TD = "thread.iso_td", "Major diameter tolerance, grade 6 or stepped", (P: Mm "pitch", g: One "grade") -> Td: Um,
    "table: ISO 965-1 by pitch; outside it 180·P^(2/3) − 3.15/√P", "ISO 965-1; other grades by whole R40 steps", tables::td_um(P, g).0);
rule!(ISO_TD1 = "thread.iso_td1", "Internal minor diameter tolerance, grade 6 or stepped", (P: Mm "pitch", g: One "grade") -> TD1: Um,
    "table: ISO 965-1 by pitch; outside it 433P − 190P^1.22 or 230·P^0.7", "ISO 965-1; other grades by whole R40 steps", tables::td1_um(P, g).0);
rule!(ISO_TD2_EXT = "thread.iso_td2_ext", "External pitch diameter tolerance", (D: Mm "nominal diameter", P: Mm "pitch", g: One "grade") -> Td2: Um,
    "table: ISO 965-1 by diameter range and pitch; outside it 90·P^0.4·d^0.1", "ISO 965-1; other grades by whole R40 steps", tables::td2_um(D, P, g, false).0);
rule!(ISO_TD2_INT = "thread.iso_td2_int", "Internal pitch diameter tolerance", (D: Mm "nominal diameter", P: Mm "pitch", g: One "grade") -> TD2: Um,
    "table: ISO 965-1 by diameter range and pitch; outside it 1.32 of the external", "ISO 965-1; other grades by whole R40 steps", tables::td2_um(D, P, g, true).0);
rule!(LESS_UM = "thread.less_um", "Less an allowance or tolerance", (x: Mm "size", t: Um "allowance or tolerance") -> y: Mm,
    "x - t/1000", "definition", x - t / 1000.0);
rule!(PLUS_UM = "thread.plus_um", "Plus an allowance or tolerance", (x: Mm "size", t: Um "allowance or tolerance") -> y: Mm,
    "x + t/1000", "definition", x + t / 1000.0);

rule!(UN_PITCH_BASIC = "thread.un_pitch_basic", "Basic pitch diameter", (D: In "nominal diameter", P: In "pitch") -> E: In,
    "round4(D - 0.375*sqrt(3)*P)", "ASME B1.1, to 0.0001 in", round4(D - 0.375 * 3_f64.sqrt() * P));
rule!(UN_MINOR_BASIC = "thread.un_minor_basic", "Basic minor diameter", (D: In "nominal diameter", P: In "pitch") -> D1: In,
    "round4(D - 0.625*sqrt(3)*P)", "ASME B1.1, to 0.0001 in", round4(D - 0.625 * 3_f64.sqrt() * P));
rule!(UN_BASE = "thread.un_base", "Base tolerance, class 2A", (D: In "nominal diameter", LE: In "length of engagement", P: In "pitch") -> t: In,
    "0.0015*cbrt(D) + 0.0015*sqrt(LE) + 0.015*cbrt(P^2)", "ASME B1.1", 0.0015 * D.cbrt() + 0.0015 * LE.sqrt() + 0.015 * (P * P).cbrt());
rule!(UN_PD_TOLERANCE = "thread.un_pd_tolerance", "Pitch diameter tolerance", (k: One "class factor", t: In "base tolerance") -> T: In,
    "round4(k*t)", "ASME B1.1: 1A 1.5, 2A 1, 3A 0.75, 1B 1.95, 2B 1.3, 3B 0.975", round4(k * t));
rule!(UN_ALLOWANCE = "thread.un_allowance", "Allowance of classes 1A and 2A", (t: In "base tolerance") -> es: In,
    "round4(0.3*t)", "ASME B1.1", round4(0.3 * t));
rule!(UN_MAJOR_TOLERANCE = "thread.un_major_tolerance", "Major diameter tolerance", (k: One "0.06, or 0.09 for class 1A", P: In "pitch") -> T: In,
    "round4(k*cbrt(P^2))", "ASME B1.1", round4(k * (P * P).cbrt()));
rule!(UN_MINOR_TOLERANCE = "thread.un_minor_tolerance", "Internal minor diameter tolerance", (D: In "nominal diameter", P: In "pitch", c: One "class") -> T: In,
    "table: classes 1B, 2B: 0.25P − 0.4P² from 1/4 in (0.15P under 4 TPI), 0.05P^(2/3) + 0.03P/D − 0.002 below; class 3B that, not under 0.23P − 1.5P² or 0.12P", "ASME B1.1",
    super::unified::minor_tolerance(D, P, c));
rule!(LESS_IN = "thread.less_in", "Less an allowance or tolerance", (x: In "size", t: In "allowance or tolerance") -> y: In, "x - t", "definition", x - t);
rule!(PLUS_IN = "thread.plus_in", "Plus an allowance or tolerance", (x: In "size", t: In "allowance or tolerance") -> y: In, "x + t", "definition", x + t);
rule!(THOU = "thread.to_thou", "To the nearest 0.001 in, as tables print it", (x: In "size") -> y: In, "round3(x)", "ASME B1.1 prints the minor diameter so", round3(x));
rule!(LEAD_ANGLE = "thread.lead_angle", "Lead angle", (L: Mm "lead", x: Mm "diameter") -> lambda: Deg,
    "atan(L/(pi*x))", "one turn unrolled", (L / (std::f64::consts::PI * x)).atan().to_degrees());
rule!(MIDDLE = "thread.middle", "Middle of the limits", (a: Mm "lower limit", b: Mm "upper limit") -> m: Mm, "(a + b)/2", "house: as far from scrap on either side", f64::midpoint(a, b));

/// To the micrometre, or the thou.
fn round3(x: f64) -> f64 {
    (x * 1e3).round() / 1e3
}

/// To a tenth of a thou as the standard's tables do it: six places first, then four, halves up.
fn round4(x: f64) -> f64 {
    ((x * 1e6).round() / 1e2).round() / 1e4
}

/// All of them.
pub static ALL: &[&Rule] = &[
    &IN_OF_MM,
    &MM_OF_IN,
    &PITCH_OF_TPI,
    &LEAD,
    &ISO_PITCH_BASIC,
    &ISO_MINOR_BASIC,
    &ISO_DEVIATION,
    &ISO_TD,
    &ISO_TD1,
    &ISO_TD2_EXT,
    &ISO_TD2_INT,
    &LESS_UM,
    &PLUS_UM,
    &UN_PITCH_BASIC,
    &UN_MINOR_BASIC,
    &UN_BASE,
    &UN_PD_TOLERANCE,
    &UN_ALLOWANCE,
    &UN_MAJOR_TOLERANCE,
    &UN_MINOR_TOLERANCE,
    &LESS_IN,
    &PLUS_IN,
    &THOU,
    &LEAD_ANGLE,
    &MIDDLE,
];
