//! ISO metric limits: ISO 724 basics, ISO 965-1 deviations and tolerances.

use super::{Ask, Basics, Limits};
use crate::quantity::real;
use crate::thread::class::Class;
use crate::thread::rules::{self, round3};
use crate::thread::spec::{Side, ThreadSpec};
use crate::thread::tables;
use crate::working::{Num, Rule, Sheet, rule};

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

/// All of them.
pub(super) static ALL: &[&Rule] = &[&ISO_PITCH_BASIC, &ISO_MINOR_BASIC, &ISO_DEVIATION, &ISO_TD, &ISO_TD1, &ISO_TD2_EXT, &ISO_TD2_INT];

/// Position letters by how far they stand from the basic profile.
const fn position(letter: char) -> f64 {
    match letter {
        'g' | 'G' => 1.0,
        'f' => 2.0,
        'e' => 3.0,
        _ => 0.0,
    }
}

pub(super) fn basics(sheet: &mut Sheet, spec: &ThreadSpec) -> Basics {
    let (d, p) = (real(&spec.major).into(), real(&spec.pitch).into());
    Basics { pitch: sheet.work(&ISO_PITCH_BASIC, [d, p]), minor: sheet.work(&ISO_MINOR_BASIC, [d, p]) }
}

/// Whether any tolerance of this member is computed, its size and pitch standing in no table together.
pub(in crate::thread) fn computed(spec: &ThreadSpec, class: Class) -> bool {
    let Class::Iso { pitch_position, crest_position, .. } = class else { return false };
    let (d, p) = (real(&spec.major), real(&spec.pitch));
    let internal = class.side() == Some(Side::Internal);
    let crest = if internal { tables::td1_um(p, 6.0).1 } else { tables::td_um(p, 6.0).1 };
    crest || [pitch_position, crest_position].iter().any(|c| tables::deviation_um(p, position(*c)).1) || tables::td2_um(d, p, 6.0, internal).1
}

pub(super) fn limits(sheet: &mut Sheet, ask: &Ask) -> Limits {
    let (pitch_grade, crest_grade, pitch_position, crest_position) = match ask.class {
        Class::Iso { pitch_grade, crest_grade, pitch_position, crest_position } => (pitch_grade, crest_grade, pitch_position, crest_position),
        _ => (6, 6, 'h', 'h'),
    };
    let Basics { pitch: pitch_basic, minor: minor_basic } = basics(sheet, ask.spec);
    let (dn, pn) = (Num::from(real(&ask.spec.major)), Num::from(real(&ask.spec.pitch)));
    let (pg, cg) = (Num::from(f64::from(pitch_grade)), Num::from(f64::from(crest_grade)));
    let pitch_dev = sheet.work(&ISO_DEVIATION, [pn, position(pitch_position).into()]);
    let crest_dev = sheet.work(&ISO_DEVIATION, [pn, position(crest_position).into()]);
    if ask.side == Side::External {
        let major_max = sheet.work(&rules::LESS_UM, [dn, crest_dev]);
        let td = sheet.work(&ISO_TD, [pn, cg]);
        let pitch_max = sheet.work(&rules::LESS_UM, [pitch_basic, pitch_dev]);
        let td2 = sheet.work(&ISO_TD2_EXT, [dn, pn, pg]);
        Limits {
            major: (Some(sheet.work(&rules::LESS_UM, [major_max, td])), Some(major_max)),
            pitch: (sheet.work(&rules::LESS_UM, [pitch_max, td2]), pitch_max),
            minor: (None, Some(sheet.work(&rules::LESS_UM, [minor_basic, pitch_dev]))),
        }
    } else {
        let minor_min = sheet.work(&rules::PLUS_UM, [minor_basic, crest_dev]);
        let td1 = sheet.work(&ISO_TD1, [pn, cg]);
        let pitch_min = sheet.work(&rules::PLUS_UM, [pitch_basic, pitch_dev]);
        let td2 = sheet.work(&ISO_TD2_INT, [dn, pn, pg]);
        Limits {
            major: (Some(sheet.work(&rules::PLUS_UM, [dn, pitch_dev])), None),
            pitch: (pitch_min, sheet.work(&rules::PLUS_UM, [pitch_min, td2])),
            minor: (Some(minor_min), Some(sheet.work(&rules::PLUS_UM, [minor_min, td1]))),
        }
    }
}
