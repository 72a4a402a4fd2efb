//! Special threads: the user's own diameter, pitch, angle and truncations, or those of a sample.

use super::{Basics, Family, Limits, MemberQuery, Note};
use crate::class::Class;
use crate::quantity::real;
use crate::rules;
use crate::spec::{SpecialForm, ThreadSpec};
use crate::system::Side;
use crate::voice::Voice;
use crate::watch::Code;
use crate::working::{Num, Rule, Worksheet, rule};
use yoke_ground::say;

rule!(PITCH_OF_CREST = "thread.pitch_of_crest", "Pitch diameter under this crest", (D: Mm "nominal diameter", P: Mm "pitch", f: Mm "crest flat", alpha: Deg "half angle") -> E: Mm,
    "D - (P/2 - f)/tan(alpha)", "down the flanks to where thread and gap are equal", D - (P / 2.0 - f) / alpha.to_radians().tan());
rule!(MINOR_OF_ROOT = "thread.minor_of_root", "Minor diameter above this root", (E: Mm "pitch diameter", P: Mm "pitch", f: Mm "root flat", alpha: Deg "half angle") -> D1: Mm,
    "E - (P/2 - f)/tan(alpha)", "down the flanks from the pitch line", E - (P / 2.0 - f) / alpha.to_radians().tan());
rule!(SPECIAL_BAND = "thread.special_band", "Working band of the pitch diameter", (D: Mm "nominal diameter", P: Mm "pitch") -> T: Mm,
    "0.09*P^0.4*D^0.1", "house: what ISO 965-1 grade 6 would give, where no tolerance was given", 0.09 * P.powf(0.4) * D.powf(0.1));

/// All of them.
pub(super) static ALL: &[&Rule] = &[&PITCH_OF_CREST, &MINOR_OF_ROOT, &SPECIAL_BAND];

/// Flats where none were given: an eighth of the pitch for a V, 0.37P for a steep-sided form, half for
/// straight sides. Mm.
fn usual_flat(alpha_deg: f64, pitch: f64) -> f64 {
    if alpha_deg <= 0.0 {
        pitch / 2.0
    } else if alpha_deg < 20.0 {
        0.37 * pitch
    } else {
        pitch / 8.0
    }
}

pub(super) fn basics(sheet: &mut Worksheet, spec: &ThreadSpec) -> Basics {
    let (d, p) = (Num::from(real(&spec.major)), Num::from(real(&spec.pitch)));
    let alpha = spec.half_angle_deg();
    let form =
        spec.special.unwrap_or(SpecialForm { included_angle_deg: 2.0 * alpha, crest_flat_mm: None, root_flat_mm: None, minor_mm: None, tolerance_mm: None });
    if alpha <= 0.0 {
        let minor = form.minor_mm.unwrap_or(d.value - p.value);
        return Basics { pitch: sheet.apply(&rules::MIDDLE, [minor.into(), d]), minor: minor.into() };
    }
    // A deep root leaves less than the usual crest: what is left is shared.
    let left = form.minor_mm.map_or(f64::MAX, |m| p.value - (d.value - m) * alpha.to_radians().tan());
    let usual = usual_flat(alpha, p.value).min(left / 2.0).max(0.0);
    let pitch = sheet.apply(&PITCH_OF_CREST, [d, p, form.crest_flat_mm.unwrap_or(usual).into(), alpha.into()]);
    let minor = form.minor_mm.map_or_else(|| sheet.apply(&MINOR_OF_ROOT, [pitch, p, form.root_flat_mm.unwrap_or(usual).into(), alpha.into()]), Num::from);
    Basics { pitch, minor }
}

pub(super) fn limits(sheet: &mut Worksheet, ask: &MemberQuery) -> Limits {
    let (d, p) = (Num::from(real(&ask.spec.major)), Num::from(real(&ask.spec.pitch)));
    let basic = basics(sheet, ask.spec);
    let given = ask.spec.special.and_then(|s| s.tolerance_mm);
    let band = given.map_or_else(|| sheet.apply(&SPECIAL_BAND, [d, p]), Num::from);
    // The clearance, where one is given, is shared by neither: the screw stays basic and the nut opens.
    let clearance = Num::from(ask.spec.clearance_mm.unwrap_or(0.0));
    if ask.side == Side::External {
        let less = |sheet: &mut Worksheet, size: Num| sheet.apply(&rules::LESS, [size, band]);
        Limits { major: (Some(less(sheet, d)), Some(d)), pitch: (less(sheet, basic.pitch), basic.pitch), minor: (None, Some(basic.minor)) }
    } else {
        let plus = |sheet: &mut Worksheet, size: Num, more: Num| sheet.apply(&rules::PLUS, [size, more]);
        let [major, pitch, minor] = [d, basic.pitch, basic.minor].map(|size| if clearance.value > 0.0 { plus(sheet, size, clearance) } else { size });
        Limits { major: (Some(major), None), pitch: (pitch, plus(sheet, pitch, band)), minor: (Some(minor), Some(plus(sheet, minor, band))) }
    }
}

/// What the user gives.
pub struct Special;

impl Family for Special {
    fn word(&self) -> &'static str {
        "special"
    }

    fn flanks_deg(&self) -> [f64; 2] {
        [30.0; 2]
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
        &[]
    }

    fn takes_clearance(&self) -> bool {
        true
    }

    fn tolerance_note(&self, spec: &ThreadSpec, _classes: [Class; 2], voice: Voice) -> Option<Note> {
        let text = say!(voice, "special-no-tolerance");
        spec.special.is_none_or(|s| s.tolerance_mm.is_none()).then_some((Code::ToleranceNominal, text))
    }
}
