//! British Association, BS 93: nominal sizes of a rounded 47½° form, with a working band.

use super::{Basics, Family, Limits, MemberQuery, Note};
use crate::class::Class;
use crate::quantity::real;
use crate::rules::{self, round3};
use crate::spec::ThreadSpec;
use crate::system::Side;
use crate::voice::Voice;
use crate::watch::Code;
use crate::working::{Num, Rule, Worksheet, rule};
use yoke_ground::say;

rule!(BA_DEPTH = "thread.ba_depth", "Depth of thread", (P: Mm "pitch") -> h: Mm, "5*round3(0.6*P/5)", "BS 93: 0.6P to the nearest 0.005 mm", 5.0 * round3(0.6 * P / 5.0));
rule!(BA_BASIC = "thread.ba_basic", "Basic diameter", (D: Mm "nominal diameter", k: One "depths: 1 to the pitch line, 2 to the root", h: Mm "depth") -> E: Mm,
    "D - k*h", "BS 93", D - k * h);
rule!(BA_BAND = "thread.ba_band", "Working band", (a: One "share of the pitch", P: Mm "pitch", b: Mm "fixed part") -> T: Mm,
    "a*P + b", "BS 93 normal class, recalled: effective 0.10P + 0.025 and major 0.20P on the screw, effective 0.12P + 0.03 and minor 0.375P on the nut; prove it with the mate", a * P + b);

/// All of them.
pub(super) static ALL: &[&Rule] = &[&BA_DEPTH, &BA_BASIC, &BA_BAND];

pub(super) fn basics(sheet: &mut Worksheet, spec: &ThreadSpec) -> Basics {
    let depth = sheet.apply(&BA_DEPTH, [real(&spec.pitch).into()]);
    let [pitch, minor] = [1.0, 2.0].map(|k| sheet.apply(&BA_BASIC, [real(&spec.major).into(), k.into(), depth]));
    Basics { pitch, minor }
}

pub(super) fn limits(sheet: &mut Worksheet, ask: &MemberQuery) -> Limits {
    let (d, p) = (Num::from(real(&ask.spec.major)), Num::from(real(&ask.spec.pitch)));
    let basic = basics(sheet, ask.spec);
    let mut band = |a: f64, b: f64| sheet.apply(&BA_BAND, [a.into(), p, b.into()]);
    if ask.side == Side::External {
        let [crest, pitch, root] = [(0.2, 0.0), (0.1, 0.025), (0.2, 0.05)].map(|(a, b)| band(a, b));
        Limits {
            major: (Some(sheet.apply(&rules::LESS, [d, crest])), Some(d)),
            pitch: (sheet.apply(&rules::LESS, [basic.pitch, pitch]), basic.pitch),
            minor: (Some(sheet.apply(&rules::LESS, [basic.minor, root])), Some(basic.minor)),
        }
    } else {
        let [pitch, crest] = [(0.12, 0.03), (0.375, 0.0)].map(|(a, b)| band(a, b));
        Limits {
            major: (Some(d), None),
            pitch: (basic.pitch, sheet.apply(&rules::PLUS, [basic.pitch, pitch])),
            minor: (Some(basic.minor), Some(sheet.apply(&rules::PLUS, [basic.minor, crest]))),
        }
    }
}

/// British Association.
pub struct BritishAssociation;

impl Family for BritishAssociation {
    fn word(&self) -> &'static str {
        "BA"
    }

    fn flanks_deg(&self) -> [f64; 2] {
        [23.75; 2]
    }

    /// Half the step its depth is rounded to.
    fn rounding_mm(&self) -> f64 {
        0.0025
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
        &[("0.6 P", 0.6)]
    }

    fn rounded_depth(&self) -> Option<f64> {
        Some(0.6)
    }

    fn tolerance_note(&self, _spec: &ThreadSpec, _classes: [Class; 2], voice: Voice) -> Option<Note> {
        Some((Code::ToleranceNominal, say!(voice, "ba-nominal")))
    }
}
