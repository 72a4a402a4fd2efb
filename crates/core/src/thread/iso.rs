//! ISO metric limits: ISO 724 basics, ISO 965-1 deviations and tolerances.

use super::section::Limits;
use super::spec::{Class, Side, ThreadSpec};
use super::{rules, tables};
use crate::quantity::real;
use crate::working::{Num, Sheet};

/// Position letters by how far they stand from the basic profile.
const fn position(letter: char) -> f64 {
    match letter {
        'g' | 'G' => 1.0,
        'f' => 2.0,
        'e' => 3.0,
        _ => 0.0,
    }
}

/// Limits of one member, and whether any tolerance had to be computed for want of a table value.
/// Sizes in mm; `None` only for a class of the other system.
pub(super) fn limits(sheet: &mut Sheet, spec: &ThreadSpec, class: Class) -> Option<(Limits, bool)> {
    let Class::Iso { pitch_grade, crest_grade, pitch_position, crest_position } = class else {
        return None;
    };
    let (d, p) = (real(&spec.major), real(&spec.pitch));
    let (dn, pn) = (Num::from(d), Num::from(p));
    let (pg, cg) = (Num::from(f64::from(pitch_grade)), Num::from(f64::from(crest_grade)));
    let pitch_basic = sheet.work(&rules::ISO_PITCH_BASIC, [dn, pn]);
    let minor_basic = sheet.work(&rules::ISO_MINOR_BASIC, [dn, pn]);
    let (pp, cp) = (position(pitch_position), position(crest_position));
    let pitch_dev = sheet.work(&rules::ISO_DEVIATION, [pn, pp.into()]);
    let crest_dev = sheet.work(&rules::ISO_DEVIATION, [pn, cp.into()]);
    let deviation_computed = tables::deviation_um(p, pp).1 || tables::deviation_um(p, cp).1;
    Some(if class.side() == Side::External {
        let major_max = sheet.work(&rules::LESS_UM, [dn, crest_dev]);
        let td = sheet.work(&rules::ISO_TD, [pn, cg]);
        let pitch_max = sheet.work(&rules::LESS_UM, [pitch_basic, pitch_dev]);
        let td2 = sheet.work(&rules::ISO_TD2_EXT, [dn, pn, pg]);
        let limits = Limits {
            major: (Some(sheet.work(&rules::LESS_UM, [major_max, td])), Some(major_max)),
            pitch: (sheet.work(&rules::LESS_UM, [pitch_max, td2]), pitch_max),
            minor: (None, Some(sheet.work(&rules::LESS_UM, [minor_basic, pitch_dev]))),
        };
        (limits, deviation_computed || tables::td_um(p, 6.0).1 || tables::td2_um(d, p, 6.0, false).1)
    } else {
        let minor_min = sheet.work(&rules::PLUS_UM, [minor_basic, crest_dev]);
        let td1 = sheet.work(&rules::ISO_TD1, [pn, cg]);
        let pitch_min = sheet.work(&rules::PLUS_UM, [pitch_basic, pitch_dev]);
        let td2 = sheet.work(&rules::ISO_TD2_INT, [dn, pn, pg]);
        let limits = Limits {
            major: (Some(sheet.work(&rules::PLUS_UM, [dn, pitch_dev])), None),
            pitch: (pitch_min, sheet.work(&rules::PLUS_UM, [pitch_min, td2])),
            minor: (Some(minor_min), Some(sheet.work(&rules::PLUS_UM, [minor_min, td1]))),
        };
        (limits, deviation_computed || tables::td1_um(p, 6.0).1 || tables::td2_um(d, p, 6.0, true).1)
    })
}
