//! Unified limits: ASME B1.1, worked in inches and rounded as the standard rounds.

use super::rules;
use super::section::Limits;
use super::spec::{Class, Side, ThreadSpec};
use crate::quantity::{MM_PER_INCH, real};
use crate::working::{Num, Sheet};

/// Internal minor diameter tolerance in inches for class 1, 2 or 3 B.
pub(super) fn minor_tolerance(d: f64, p: f64, class: f64) -> f64 {
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

/// Length of engagement the tolerance is taken at, inches, and why it is not the usual one, if so.
fn engagement(spec: &ThreadSpec, engagement_mm: Option<f64>) -> f64 {
    let (d, p) = (real(&spec.major) / MM_PER_INCH, real(&spec.pitch) / MM_PER_INCH);
    let by_diameter = matches!(spec.series.as_str(), "UNC" | "UNF")
        || (spec.series == "UN" && spec.tpi.is_some_and(|n| [4, 6, 8].iter().any(|k| n == crate::quantity::Ratio::from_integer(*k))));
    let given = engagement_mm.map(|mm| mm / MM_PER_INCH);
    match given {
        Some(le) if !by_diameter || le > 1.5 * d => le,
        _ if by_diameter => d,
        _ => 9.0 * p,
    }
}

/// Limits of one member in mm; `None` only for a class of the other system.
pub(super) fn limits(sheet: &mut Sheet, spec: &ThreadSpec, class: Class, engagement_mm: Option<f64>) -> Option<Limits> {
    let Class::Unified { number, side } = class else {
        return None;
    };
    let d = sheet.work(&rules::IN_OF_MM, [real(&spec.major).into()]);
    let p = sheet.work(&rules::IN_OF_MM, [real(&spec.pitch).into()]);
    let le = Num::from(engagement(spec, engagement_mm));
    let base = sheet.work(&rules::UN_BASE, [d, le, p]);
    let pitch_basic = sheet.work(&rules::UN_PITCH_BASIC, [d, p]);
    let minor_basic = sheet.work(&rules::UN_MINOR_BASIC, [d, p]);
    let factor = match (number, side) {
        (1, Side::External) => 1.5,
        (2, Side::External) => 1.0,
        (_, Side::External) => 0.75,
        (1, Side::Internal) => 1.95,
        (2, Side::Internal) => 1.3,
        (_, Side::Internal) => 0.975,
    };
    let pd_tolerance = sheet.work(&rules::UN_PD_TOLERANCE, [factor.into(), base]);
    let in_mm = |sheet: &mut Sheet, inches: Num| sheet.work(&rules::MM_OF_IN, [inches]);
    Some(if side == Side::External {
        let allowance = if number == 3 { Num::from(0.0) } else { sheet.work(&rules::UN_ALLOWANCE, [base]) };
        let major_tolerance = sheet.work(&rules::UN_MAJOR_TOLERANCE, [(if number == 1 { 0.09 } else { 0.06 }).into(), p]);
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
        let minor_tolerance = sheet.work(&rules::UN_MINOR_TOLERANCE, [d, p, f64::from(number).into()]);
        let minor_max = sheet.work(&rules::PLUS_IN, [minor_basic, minor_tolerance]);
        let (minor_min, minor_max) = (sheet.work(&rules::THOU, [minor_basic]), sheet.work(&rules::THOU, [minor_max]));
        let pitch_max = sheet.work(&rules::PLUS_IN, [pitch_basic, pd_tolerance]);
        Limits {
            major: (Some(in_mm(sheet, d)), None),
            pitch: (in_mm(sheet, pitch_basic), in_mm(sheet, pitch_max)),
            minor: (Some(in_mm(sheet, minor_min)), Some(in_mm(sheet, minor_max))),
        }
    })
}
