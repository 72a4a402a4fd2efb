//! Acme limits, ASME B1.5 general purpose, and Stub Acme, ASME B1.8: worked in inches and rounded as
//! the tables are.

use super::unified::inches;
use super::{Basics, Family, Limits, MemberQuery, special};
use crate::class::Class;
use crate::quantity::MM_PER_INCH;
use crate::rules::{self, round4};
use crate::spec::ThreadSpec;
use crate::system::{Side, System};
use crate::working::{Num, Rule, Worksheet, rule};
use yoke_ground::says::Sentence;
use yoke_ground::sentence;

rule!(SIZE_LESS_PITCHES = "thread.size_less_pitches", "Basic diameter", (D: In "nominal diameter", k: One "share of the pitch: 0.5 and 1 Acme, 0.3 and 0.6 Stub", P: In "pitch") -> E: In,
    "D - k*P", "ASME B1.5, B1.8: the basic depth is 0.5P, of the stub form 0.3P", D - k * P);
rule!(ACME_ALLOWANCE = "thread.acme_allowance", "Pitch diameter allowance", (k: One "0.008 2G, 0.006 3G, 0.004 4G", D: In "nominal diameter") -> es: In,
    "round4(k*sqrt(D))", "ASME B1.5", round4(k * D.sqrt()));
rule!(ACME_TOLERANCE = "thread.acme_tolerance", "Pitch diameter tolerance", (a: One "0.006 2G, 0.0028 3G, 0.002 4G", D: In "nominal diameter", b: One "0.030 2G, 0.014 3G, 0.010 4G", P: In "pitch") -> T: In,
    "round4(a*sqrt(D) + b*sqrt(P))", "ASME B1.5, on both members", round4(a * D.sqrt() + b * P.sqrt()));
rule!(ACME_CLEARANCE = "thread.acme_clearance", "Clearance at the major and minor diameters", (P: In "pitch") -> c: In,
    "table: 0.020 at 10 TPI and coarser, 0.010 finer", "ASME B1.5, on diameter", clearance_in(P));
rule!(ACME_CREST = "thread.acme_crest", "Crest tolerance", (P: In "pitch", k: One "least") -> T: In,
    "max(k, 0.05*P)", "ASME B1.5, not under 0.005; the stub's major without that floor (recalled)", (0.05 * P).max(k));
rule!(ACME_ROOT = "thread.acme_root", "Minor diameter tolerance of the screw", (k: One "1.5, or 1 for the stub", T: In "pitch diameter tolerance") -> t: In,
    "k*T", "ASME B1.5; stub recalled", k * T);

/// All of them.
pub(super) static ALL: &[&Rule] = &[&SIZE_LESS_PITCHES, &ACME_ALLOWANCE, &ACME_TOLERANCE, &ACME_CLEARANCE, &ACME_CREST, &ACME_ROOT];

/// Clearance on diameter for a pitch in inches, both in inches.
pub fn clearance_in(pitch: f64) -> f64 {
    if pitch > 0.1 - 1e-9 { 0.020 } else { 0.010 }
}

/// Basic depth in pitches.
const fn depth(spec: &ThreadSpec) -> f64 {
    if matches!(spec.system, System::StubAcme) { 0.3 } else { 0.5 }
}

/// Basic pitch and minor diameter, inches.
fn basics_in(sheet: &mut Worksheet, spec: &ThreadSpec) -> [Num; 2] {
    let [d, p] = inches(sheet, spec);
    [1.0, 2.0].map(|k| sheet.apply(&SIZE_LESS_PITCHES, [d, (k * depth(spec)).into(), p]))
}

pub(super) fn basics(sheet: &mut Worksheet, spec: &ThreadSpec) -> Basics {
    let [pitch, minor] = basics_in(sheet, spec);
    Basics { pitch: sheet.apply(&rules::MM_OF_IN, [pitch]), minor: sheet.apply(&rules::MM_OF_IN, [minor]) }
}

pub(super) fn limits(sheet: &mut Worksheet, ask: &MemberQuery, number: u8) -> Limits {
    let stub = ask.spec.system == System::StubAcme;
    let [d, p] = inches(sheet, ask.spec);
    let [pitch_basic, minor_basic] = basics_in(sheet, ask.spec);
    let (k, a, b) = match number {
        3 => (0.006, 0.0028, 0.014),
        4 => (0.004, 0.002, 0.010),
        _ => (0.008, 0.006, 0.030),
    };
    let tolerance = sheet.apply(&ACME_TOLERANCE, [a.into(), d, b.into(), p]);
    let clearance = sheet.apply(&ACME_CLEARANCE, [p]);
    let mm = |sheet: &mut Worksheet, inches: Num| sheet.apply(&rules::MM_OF_IN, [inches]);
    if ask.side == Side::External {
        let crest = sheet.apply(&ACME_CREST, [p, (if stub { 0.0 } else { 0.005 }).into()]);
        let major_min = sheet.apply(&rules::LESS_IN, [d, crest]);
        let allowance = sheet.apply(&ACME_ALLOWANCE, [k.into(), d]);
        let pitch_max = sheet.apply(&rules::LESS_IN, [pitch_basic, allowance]);
        let pitch_min = sheet.apply(&rules::LESS_IN, [pitch_max, tolerance]);
        let minor_max = sheet.apply(&rules::LESS_IN, [minor_basic, clearance]);
        let root = sheet.apply(&ACME_ROOT, [(if stub { 1.0 } else { 1.5 }).into(), tolerance]);
        let minor_min = sheet.apply(&rules::LESS_IN, [minor_max, root]);
        Limits {
            major: (Some(mm(sheet, major_min)), Some(mm(sheet, d))),
            pitch: (mm(sheet, pitch_min), mm(sheet, pitch_max)),
            minor: (Some(mm(sheet, minor_min)), Some(mm(sheet, minor_max))),
        }
    } else {
        let crest = sheet.apply(&ACME_CREST, [p, 0.005.into()]);
        let minor_max = sheet.apply(&rules::PLUS_IN, [minor_basic, crest]);
        let pitch_max = sheet.apply(&rules::PLUS_IN, [pitch_basic, tolerance]);
        let major_min = sheet.apply(&rules::PLUS_IN, [d, clearance]);
        let major_max = sheet.apply(&rules::PLUS_IN, [major_min, clearance]);
        Limits {
            major: (Some(mm(sheet, major_min)), Some(mm(sheet, major_max))),
            pitch: (mm(sheet, pitch_basic), mm(sheet, pitch_max)),
            minor: (Some(mm(sheet, minor_basic)), Some(mm(sheet, minor_max))),
        }
    }
}

/// Acme, and Stub Acme.
pub struct Acme {
    /// Whether it is the stub form.
    pub stub: bool,
}

impl Family for Acme {
    fn word(&self) -> &'static str {
        if self.stub { "Stub Acme" } else { "Acme" }
    }

    fn flanks_deg(&self) -> [f64; 2] {
        [14.5; 2]
    }

    fn basics(&self, sheet: &mut Worksheet, spec: &ThreadSpec) -> Basics {
        basics(sheet, spec)
    }

    fn limits(&self, sheet: &mut Worksheet, query: &MemberQuery) -> Limits {
        let Class::Acme(number) = query.class else { return special::limits(sheet, query) };
        limits(sheet, query, number)
    }

    fn usual_class(&self, _side: Side, _major_mm: f64) -> Class {
        Class::Acme(2)
    }

    fn classes(&self, _side: Side) -> Vec<Class> {
        if self.stub { Vec::new() } else { [4, 3, 2].map(Class::Acme).into() }
    }

    fn read_class(&self, text: &str) -> Result<Class, Sentence> {
        match text.trim().to_ascii_uppercase().as_str() {
            "2G" => Ok(Class::Acme(2)),
            _ if self.stub => Err(sentence!("class-stub-acme", text = &text)),
            "3G" => Ok(Class::Acme(3)),
            "4G" => Ok(Class::Acme(4)),
            _ => Err(sentence!("class-acme", text = &text)),
        }
    }

    fn rules(&self) -> &'static [&'static Rule] {
        ALL
    }

    fn handbook_depths(&self, pitch_mm: f64) -> &'static [(&'static str, f64)] {
        // Half of the clearance on diameter.
        match (self.stub, clearance_in(pitch_mm / MM_PER_INCH) > 0.015) {
            (true, true) => &[("0.3 P + 0.010 in", 0.3)],
            (true, false) => &[("0.3 P + 0.005 in", 0.3)],
            (false, true) => &[("0.5 P + 0.010 in", 0.5)],
            (false, false) => &[("0.5 P + 0.005 in", 0.5)],
        }
    }

    fn stands_clear(&self) -> bool {
        true
    }

    fn handbook_tip(&self) -> bool {
        !self.stub
    }
}
