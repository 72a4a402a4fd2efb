//! Trapezoidal limits, ISO 2903 with the profile of ISO 2901.

use super::iso::{ISO_TD, ISO_TD1};
use super::{Basics, Family, Limits, MemberQuery, special};
use crate::class::{Class, iso};
use crate::quantity::real;
use crate::rules::{self, round3};
use crate::spec::ThreadSpec;
use crate::system::Side;
use crate::tables;
use crate::working::{Num, Rule, Worksheet, rule};
use yoke_ground::says::Sentence;
use yoke_ground::sentence;

rule!(TR_PITCH_BASIC = "thread.tr_pitch_basic", "Basic pitch diameter", (D: Mm "nominal diameter", P: Mm "pitch") -> E: Mm, "D - P/2", "ISO 2904", D - P / 2.0);
rule!(TR_MINOR_BASIC = "thread.tr_minor_basic", "Basic minor diameter of the nut", (D: Mm "nominal diameter", P: Mm "pitch") -> D1: Mm, "D - P", "ISO 2904", D - P);
rule!(TR_CLEARANCE = "thread.tr_clearance", "Clearance ac at crest and root", (P: Mm "pitch") -> ac: Mm,
    "table: 0.15 at P 1.5, 0.25 to 5, 0.5 to 12, 1 to 44", "ISO 2901", if P < 1.75 { 0.15 } else if P < 5.5 { 0.25 } else if P < 13.0 { 0.5 } else { 1.0 });
rule!(TR_ROOT_EXTERNAL = "thread.tr_root_external", "Largest minor diameter of the screw", (D: Mm "nominal diameter", P: Mm "pitch", ac: Mm "clearance") -> d3: Mm,
    "D - P - 2*ac", "ISO 2904", D - P - 2.0 * ac);
rule!(TR_ROOT_INTERNAL = "thread.tr_root_internal", "Least major diameter of the nut", (D: Mm "nominal diameter", ac: Mm "clearance") -> D4: Mm,
    "D + 2*ac", "ISO 2904; no upper limit", D + 2.0 * ac);
rule!(TR_DEVIATION = "thread.tr_deviation", "Deviation e, on the pitch diameter only", (P: Mm "pitch") -> es: Um,
    "table: ISO 2903 by pitch", "ISO 2903", tables::trapezoidal_es_um(P));
rule!(TR_TD2 = "thread.tr_td2", "Pitch diameter tolerance of the screw", (D: Mm "nominal diameter", P: Mm "pitch", g: One "grade", k: One "factor for starts") -> Td2: Um,
    "table: ISO 965-1 grade 6, stepped along R40 to the grade, by the factor for starts", "ISO 2903: factors 1.12, 1.25, 1.4, 1.6 for 2, 3, 4, 5 and more starts",
    (tables::td2_um(D, P, g, false).0 * k).round());
rule!(TR_INT_TD2 = "thread.tr_int_td2", "Pitch diameter tolerance of the nut", (D: Mm "nominal diameter", P: Mm "pitch", g: One "grade", k: One "factor for starts") -> TD2: Um,
    "table: 1.7 (7H) or 2.12 (8H) of the screw's grade 6, on R40, by the factor for starts", "ISO 2903",
    (tables::stepped(tables::td2_um(D, P, 6.0, false).0 * if g > 7.5 { 2.12 } else { 1.7 }, 0) * k).round());
rule!(TR_ROOT_TOLERANCE = "thread.tr_root_least", "Least minor diameter of the screw", (d3: Mm "largest minor diameter", T: Um "pitch diameter tolerance", e: Um "deviation") -> m: Mm,
    "round3(d3 - (1.25*T + e)/1000)", "ISO 2903", round3(d3 - (1.25 * T + e) / 1000.0));

/// All of them.
pub(super) static ALL: &[&Rule] =
    &[&TR_PITCH_BASIC, &TR_MINOR_BASIC, &TR_CLEARANCE, &TR_ROOT_EXTERNAL, &TR_ROOT_INTERNAL, &TR_DEVIATION, &TR_TD2, &TR_INT_TD2, &TR_ROOT_TOLERANCE];

pub(super) fn basics(sheet: &mut Worksheet, spec: &ThreadSpec) -> Basics {
    let at = [real(&spec.major).into(), real(&spec.pitch).into()];
    Basics { pitch: sheet.apply(&TR_PITCH_BASIC, at), minor: sheet.apply(&TR_MINOR_BASIC, at) }
}

pub(super) fn limits(sheet: &mut Worksheet, ask: &MemberQuery, grade: u8) -> Limits {
    let (d, p) = (Num::from(real(&ask.spec.major)), Num::from(real(&ask.spec.pitch)));
    let basic = basics(sheet, ask.spec);
    let starts = match ask.spec.starts {
        0 | 1 => 1.0,
        2 => 1.12,
        3 => 1.25,
        4 => 1.4,
        _ => 1.6,
    };
    let (g, k) = (Num::from(f64::from(grade)), Num::from(starts));
    let ac = sheet.apply(&TR_CLEARANCE, [p]);
    if ask.side == Side::External {
        let td = sheet.apply(&ISO_TD, [p, 4.0.into()]);
        let es = sheet.apply(&TR_DEVIATION, [p]);
        let td2 = sheet.apply(&TR_TD2, [d, p, g, k]);
        let pitch_max = sheet.apply(&rules::LESS_UM, [basic.pitch, es]);
        let root_max = sheet.apply(&TR_ROOT_EXTERNAL, [d, p, ac]);
        Limits {
            major: (Some(sheet.apply(&rules::LESS_UM, [d, td])), Some(d)),
            pitch: (sheet.apply(&rules::LESS_UM, [pitch_max, td2]), pitch_max),
            minor: (Some(sheet.apply(&TR_ROOT_TOLERANCE, [root_max, td2, es])), Some(root_max)),
        }
    } else {
        let td1 = sheet.apply(&ISO_TD1, [p, 4.0.into()]);
        let td2 = sheet.apply(&TR_INT_TD2, [d, p, g, k]);
        Limits {
            major: (Some(sheet.apply(&TR_ROOT_INTERNAL, [d, ac])), None),
            pitch: (basic.pitch, sheet.apply(&rules::PLUS_UM, [basic.pitch, td2])),
            minor: (Some(basic.minor), Some(sheet.apply(&rules::PLUS_UM, [basic.minor, td1]))),
        }
    }
}

/// Metric trapezoidal.
pub struct Trapezoidal;

impl Family for Trapezoidal {
    fn word(&self) -> &'static str {
        "trapezoidal"
    }

    fn flanks_deg(&self) -> [f64; 2] {
        [15.0; 2]
    }

    fn basics(&self, sheet: &mut Worksheet, spec: &ThreadSpec) -> Basics {
        basics(sheet, spec)
    }

    fn limits(&self, sheet: &mut Worksheet, query: &MemberQuery) -> Limits {
        let Class::Iso { pitch_grade, .. } = query.class else { return special::limits(sheet, query) };
        limits(sheet, query, pitch_grade)
    }

    fn usual_class(&self, side: Side, _major_mm: f64) -> Class {
        iso(7, if side == Side::External { 'e' } else { 'H' })
    }

    fn classes(&self, side: Side) -> Vec<Class> {
        match side {
            Side::External => [iso(7, 'e'), iso(8, 'e')].into(),
            Side::Internal => [iso(7, 'H'), iso(8, 'H')].into(),
        }
    }

    fn read_class(&self, text: &str) -> Result<Class, Sentence> {
        match text.trim() {
            "7e" | "7E" => Ok(iso(7, 'e')),
            "8e" | "8E" => Ok(iso(8, 'e')),
            "7H" | "7h" => Ok(iso(7, 'H')),
            "8H" | "8h" => Ok(iso(8, 'H')),
            _ => Err(sentence!("class-trapezoidal", text = &text)),
        }
    }

    fn rules(&self) -> &'static [&'static Rule] {
        ALL
    }

    fn handbook_depths(&self, _pitch_mm: f64) -> &'static [(&'static str, f64)] {
        &[("0.5 P + ac", 0.5)]
    }

    fn stands_clear(&self) -> bool {
        true
    }
}
