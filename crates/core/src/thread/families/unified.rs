//! Unified limits: ASME B1.1, worked in inches and rounded as the standard rounds.

use super::{Ask, Basics, Limits};
use crate::quantity::{MM_PER_INCH, Ratio, real};
use crate::thread::rules::{self, round3, round4};
use crate::thread::spec::{Side, ThreadSpec};
use crate::working::{Num, Rule, Sheet, rule};

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
    minor_tolerance(D, P, c));
rule!(THOU = "thread.to_thou", "To the nearest 0.001 in, as tables print it", (x: In "size") -> y: In, "round3(x)", "ASME B1.1 prints the minor diameter so", round3(x));

/// All of them.
pub(super) static ALL: &[&Rule] =
    &[&UN_PITCH_BASIC, &UN_MINOR_BASIC, &UN_BASE, &UN_PD_TOLERANCE, &UN_ALLOWANCE, &UN_MAJOR_TOLERANCE, &UN_MINOR_TOLERANCE, &THOU];

/// Internal minor diameter tolerance in inches for class 1, 2 or 3 B.
fn minor_tolerance(d: f64, p: f64, class: f64) -> f64 {
    let small = (0.05 * (p * p).cbrt() + 0.03 * p / d - 0.002).max(0.25 * p - 0.4 * p * p);
    if class > 2.5 {
        // 13 TPI and finer have their own floor.
        let floor = if p <= 1.0 / 13.0 + 1e-12 { 0.23 * p - 1.5 * p * p } else { 0.12 * p };
        (0.05 * (p * p).cbrt() + 0.03 * p / d - 0.002).max(floor).min(0.394 * p)
    } else if d >= 0.25 - 1e-12 {
        if p > 0.25 + 1e-12 { 0.15 * p } else { 0.25 * p - 0.4 * p * p }
    } else {
        small.min(0.394 * p)
    }
}

/// Length of engagement the tolerance is taken at, inches.
fn engagement(spec: &ThreadSpec, engagement_mm: Option<f64>) -> f64 {
    let (d, p) = spec.inches();
    let by_diameter = matches!(spec.series.as_str(), "UNC" | "UNF")
        || (spec.series == "UN" && spec.tpi.is_some_and(|n| [4, 6, 8].iter().any(|k| n == Ratio::from_integer(*k))));
    let given = engagement_mm.map(|mm| mm / MM_PER_INCH);
    match given {
        Some(le) if !by_diameter || le > 1.5 * d => le,
        _ if by_diameter => d,
        _ => 9.0 * p,
    }
}

/// Nominal diameter and pitch on the sheet, inches.
pub(super) fn inches(sheet: &mut Sheet, spec: &ThreadSpec) -> [Num; 2] {
    [sheet.work(&rules::IN_OF_MM, [real(&spec.major).into()]), sheet.work(&rules::IN_OF_MM, [real(&spec.pitch).into()])]
}

pub(super) fn basics(sheet: &mut Sheet, spec: &ThreadSpec) -> Basics {
    let di_pi = inches(sheet, spec);
    let (pitch, minor) = (sheet.work(&UN_PITCH_BASIC, di_pi), sheet.work(&UN_MINOR_BASIC, di_pi));
    Basics { pitch: sheet.work(&rules::MM_OF_IN, [pitch]), minor: sheet.work(&rules::MM_OF_IN, [minor]) }
}

pub(super) fn limits(sheet: &mut Sheet, ask: &Ask, number: u8) -> Limits {
    let side = ask.side;
    let [d, p] = inches(sheet, ask.spec);
    let le = Num::from(engagement(ask.spec, ask.engagement_mm));
    let base = sheet.work(&UN_BASE, [d, le, p]);
    let pitch_basic = sheet.work(&UN_PITCH_BASIC, [d, p]);
    let minor_basic = sheet.work(&UN_MINOR_BASIC, [d, p]);
    let factor = match (number, side) {
        (1, Side::External) => 1.5,
        (2, Side::External) => 1.0,
        (_, Side::External) => 0.75,
        (1, Side::Internal) => 1.95,
        (2, Side::Internal) => 1.3,
        (_, Side::Internal) => 0.975,
    };
    let pd_tolerance = sheet.work(&UN_PD_TOLERANCE, [factor.into(), base]);
    let in_mm = |sheet: &mut Sheet, inches: Num| sheet.work(&rules::MM_OF_IN, [inches]);
    if side == Side::External {
        let allowance = if number == 3 { Num::from(0.0) } else { sheet.work(&UN_ALLOWANCE, [base]) };
        let major_tolerance = sheet.work(&UN_MAJOR_TOLERANCE, [(if number == 1 { 0.09 } else { 0.06 }).into(), p]);
        let major_max = sheet.work(&rules::LESS_IN, [d, allowance]);
        let major_min = sheet.work(&rules::LESS_IN, [major_max, major_tolerance]);
        let pitch_max = sheet.work(&rules::LESS_IN, [pitch_basic, allowance]);
        let pitch_min = sheet.work(&rules::LESS_IN, [pitch_max, pd_tolerance]);
        let minor_max = sheet.work(&rules::LESS_IN, [minor_basic, allowance]);
        Limits {
            major: (Some(in_mm(sheet, major_min)), Some(in_mm(sheet, major_max))),
            pitch: (in_mm(sheet, pitch_min), in_mm(sheet, pitch_max)),
            minor: (None, Some(in_mm(sheet, minor_max))),
        }
    } else {
        let minor_tolerance = sheet.work(&UN_MINOR_TOLERANCE, [d, p, f64::from(number).into()]);
        let minor_max = sheet.work(&rules::PLUS_IN, [minor_basic, minor_tolerance]);
        let (minor_min, minor_max) = (sheet.work(&THOU, [minor_basic]), sheet.work(&THOU, [minor_max]));
        let pitch_max = sheet.work(&rules::PLUS_IN, [pitch_basic, pd_tolerance]);
        Limits {
            major: (Some(in_mm(sheet, d)), None),
            pitch: (in_mm(sheet, pitch_basic), in_mm(sheet, pitch_max)),
            minor: (Some(in_mm(sheet, minor_min)), Some(in_mm(sheet, minor_max))),
        }
    }
}
