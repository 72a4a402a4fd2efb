//! Square threads: nominal sizes, the user's clearance and a house band. Straight sides have no wires;
//! the size is carried on the mean diameter and proven by depth and by the mate.

use super::trapezoidal::{TR_MINOR_BASIC, TR_PITCH_BASIC};
use super::{Basics, Family, Limits, MemberQuery, Note};
use crate::class::Class;
use crate::quantity::real;
use crate::rules;
use crate::spec::ThreadSpec;
use crate::system::Side;
use crate::voice::Voice;
use crate::watch::Code;
use crate::working::{Num, Rule, Worksheet, rule};
use yoke_ground::say;

rule!(SQUARE_CLEARANCE = "thread.square_clearance", "Clearance at crest and root, on diameter", (P: Mm "pitch") -> c: Mm,
    "max(0.1, 0.05*P)", "house value, where none was given", (0.05 * P).max(0.1));
rule!(SQUARE_BAND = "thread.square_band", "Working band of depth, on diameter", (P: Mm "pitch") -> T: Mm, "0.02*P + 0.05", "house value: no standard is kept for square threads", side_room(P));

/// House room of a square thread, mm: the band of its depth, and the side clearance of a working fit.
pub fn side_room(pitch: f64) -> f64 {
    0.02 * pitch + 0.05
}

/// All of them.
pub(super) static ALL: &[&Rule] = &[&SQUARE_CLEARANCE, &SQUARE_BAND];

pub(super) fn basics(sheet: &mut Worksheet, spec: &ThreadSpec) -> Basics {
    let at = [real(&spec.major).into(), real(&spec.pitch).into()];
    Basics { pitch: sheet.apply(&TR_PITCH_BASIC, at), minor: sheet.apply(&TR_MINOR_BASIC, at) }
}

pub(super) fn limits(sheet: &mut Worksheet, ask: &MemberQuery) -> Limits {
    let (d, p) = (Num::from(real(&ask.spec.major)), Num::from(real(&ask.spec.pitch)));
    let basic = basics(sheet, ask.spec);
    let clearance = ask.spec.clearance_mm.map_or_else(|| sheet.apply(&SQUARE_CLEARANCE, [p]), Num::from);
    let band = sheet.apply(&SQUARE_BAND, [p]);
    // The mean diameter goes with the depth: clearance at the root moves both alike.
    let rule = if ask.side == Side::External { &rules::LESS } else { &rules::PLUS };
    let mut from = |size: Num| {
        let near = sheet.apply(rule, [size, clearance]);
        (near, sheet.apply(rule, [near, band]))
    };
    if ask.side == Side::External {
        let (pitch, minor) = (from(basic.pitch), from(basic.minor));
        Limits { major: (Some(sheet.apply(rule, [d, band])), Some(d)), pitch: (pitch.1, pitch.0), minor: (Some(minor.1), Some(minor.0)) }
    } else {
        let (pitch, major) = (from(basic.pitch), from(d));
        Limits { major: (Some(major.0), Some(major.1)), pitch, minor: (Some(basic.minor), Some(sheet.apply(rule, [basic.minor, band]))) }
    }
}

/// Square.
pub struct Square;

impl Family for Square {
    fn word(&self) -> &'static str {
        "square"
    }

    fn flanks_deg(&self) -> [f64; 2] {
        [0.0; 2]
    }

    fn basics(&self, sheet: &mut Worksheet, spec: &ThreadSpec) -> Basics {
        basics(sheet, spec)
    }

    fn limits(&self, sheet: &mut Worksheet, query: &MemberQuery) -> Limits {
        limits(sheet, query)
    }

    fn rules(&self) -> &'static [&'static Rule] {
        ALL
    }

    fn handbook_depths(&self, _pitch_mm: f64) -> &'static [(&'static str, f64)] {
        &[("0.5 P", 0.5)]
    }

    fn end_face(&self) -> bool {
        true
    }

    fn takes_clearance(&self) -> bool {
        true
    }

    fn tolerance_note(&self, _spec: &ThreadSpec, _classes: [Class; 2], voice: Voice) -> Option<Note> {
        let text = say!(voice, "square-house");
        Some((Code::ToleranceNominal, text))
    }
}
