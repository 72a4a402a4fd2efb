//! British Association, BS 93: nominal sizes of a rounded 47½° form, with a working band.

use super::{Ask, Basics, Limits};
use crate::quantity::real;
use crate::thread::rules::{self, round3};
use crate::thread::spec::{Side, ThreadSpec};
use crate::working::{Num, Rule, Sheet, rule};

rule!(BA_DEPTH = "thread.ba_depth", "Depth of thread", (P: Mm "pitch") -> h: Mm, "5*round3(0.6*P/5)", "BS 93: 0.6P to the nearest 0.005 mm", 5.0 * round3(0.6 * P / 5.0));
rule!(BA_BASIC = "thread.ba_basic", "Basic diameter", (D: Mm "nominal diameter", k: One "depths: 1 to the pitch line, 2 to the root", h: Mm "depth") -> E: Mm,
    "D - k*h", "BS 93", D - k * h);
rule!(BA_BAND = "thread.ba_band", "Working band", (a: One "share of the pitch", P: Mm "pitch", b: Mm "fixed part") -> T: Mm,
    "a*P + b", "BS 93 normal class, recalled: effective 0.10P + 0.025 and major 0.20P on the screw, effective 0.12P + 0.03 and minor 0.375P on the nut; prove it with the mate", a * P + b);

/// All of them.
pub(super) static ALL: &[&Rule] = &[&BA_DEPTH, &BA_BASIC, &BA_BAND];

pub(super) fn basics(sheet: &mut Sheet, spec: &ThreadSpec) -> Basics {
    let depth = sheet.work(&BA_DEPTH, [real(&spec.pitch).into()]);
    let [pitch, minor] = [1.0, 2.0].map(|k| sheet.work(&BA_BASIC, [real(&spec.major).into(), k.into(), depth]));
    Basics { pitch, minor }
}

pub(super) fn limits(sheet: &mut Sheet, ask: &Ask) -> Limits {
    let (d, p) = (Num::from(real(&ask.spec.major)), Num::from(real(&ask.spec.pitch)));
    let basic = basics(sheet, ask.spec);
    let mut band = |a: f64, b: f64| sheet.work(&BA_BAND, [a.into(), p, b.into()]);
    if ask.side == Side::External {
        let [crest, pitch, root] = [(0.2, 0.0), (0.1, 0.025), (0.2, 0.05)].map(|(a, b)| band(a, b));
        Limits {
            major: (Some(sheet.work(&rules::LESS, [d, crest])), Some(d)),
            pitch: (sheet.work(&rules::LESS, [basic.pitch, pitch]), basic.pitch),
            minor: (Some(sheet.work(&rules::LESS, [basic.minor, root])), Some(basic.minor)),
        }
    } else {
        let [pitch, crest] = [(0.12, 0.03), (0.375, 0.0)].map(|(a, b)| band(a, b));
        Limits {
            major: (Some(d), None),
            pitch: (basic.pitch, sheet.work(&rules::PLUS, [basic.pitch, pitch])),
            minor: (Some(basic.minor), Some(sheet.work(&rules::PLUS, [basic.minor, crest]))),
        }
    }
}
