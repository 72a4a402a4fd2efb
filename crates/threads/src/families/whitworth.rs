//! Whitworth limits, BS 84, and parallel pipe, ISO 228-1: one rounded 55° form.

use super::unified::inches;
use super::{Basics, Family, Limits, MemberQuery, special};
use crate::class::{Class, WhitworthFit};
use crate::quantity::real;
use crate::rules::{self, round3, round4};
use crate::spec::ThreadSpec;
use crate::system::{Side, System};
use crate::working::{Num, Rule, Worksheet, rule};
use yoke_ground::says::Sentence;
use yoke_ground::sentence;

rule!(WHIT_BASIC = "thread.whit_basic", "Basic diameter", (D: In "nominal diameter", k: One "depths: 1 to the pitch line, 2 to the root", P: In "pitch") -> E: In,
    "round4(D - k*0.640327*P)", "BS 84: depth two thirds of the sharp 55° height, to 0.0001 in", round4(D - k * 0.640_327 * P));
rule!(WHIT_TOLERANCE = "thread.whit_tolerance", "Effective diameter tolerance", (k: One "close 2/3, medium 1, free 1.5", D: In "nominal diameter", Le: In "length of engagement", P: In "pitch") -> T: In,
    "round4(k*(0.002*cbrt(D) + 0.003*sqrt(Le) + 0.005*sqrt(P)))", "BS 84", round4(k * (0.002 * D.cbrt() + 0.003 * Le.sqrt() + 0.005 * P.sqrt())));
rule!(WHIT_WIDER = "thread.whit_wider", "Tolerance of the crest or root of the screw", (T: In "effective diameter tolerance", k: One "0.01 major, 0.02 minor", P: In "pitch") -> t: In,
    "round4(T + k*sqrt(P))", "BS 84, recalled", round4(T + k * P.sqrt()));
rule!(WHIT_NUT_MINOR = "thread.whit_nut_minor", "Minor diameter tolerance of the nut", (P: In "pitch", c: In "0.007 to 20 TPI, 0.005 at 22 and 24, 0.004 finer") -> t: In,
    "round4(0.2*P + c)", "BS 84, recalled", round4(0.2 * P + c));
rule!(PIPE_BASIC = "thread.pipe_basic", "Basic diameter", (D: Mm "nominal diameter", k: One "depths: 1 to the pitch line, 2 to the root", P: Mm "pitch") -> E: Mm,
    "D - k*round3(0.640327*P)", "ISO 228-1: the depth to the micrometre, then taken once or twice", D - k * round3(0.640_327 * P));
rule!(PIPE_TOLERANCE = "thread.pipe_tolerance", "Tolerance", (D: Mm "nominal diameter", q: One "1 pitch diameter, 2 pitch diameter of class B, 3 major, 4 minor of the socket") -> T: Mm,
    "table: ISO 228-1 by size", "ISO 228-1", pipe_tolerance(D, q));

/// Basic depth, in pitches.
const DEPTH: f64 = 0.640_327;
const DEPTHS: &[(&str, f64)] = &[("0.6403 P", DEPTH)];

/// All of them.
pub(super) static ALL: &[&Rule] = &[&WHIT_BASIC, &WHIT_TOLERANCE, &WHIT_WIDER, &WHIT_NUT_MINOR, &PIPE_BASIC, &PIPE_TOLERANCE];

/// Tolerances of ISO 228-1 in mm by nominal diameter: G1/16-1/8, 1/4-3/8, 1/2-7/8, 1-2, over 2.
fn pipe_tolerance(d: f64, which: f64) -> f64 {
    let row = match d {
        d if d < 10.0 => [0.107, 0.214, 0.282],
        d if d < 17.0 => [0.125, 0.250, 0.445],
        d if d < 31.0 => [0.142, 0.284, 0.541],
        d if d < 60.0 => [0.180, 0.360, 0.640],
        _ => [0.217, 0.434, 0.640],
    };
    if which < 1.5 {
        row[0]
    } else if which < 2.5 {
        2.0 * row[0]
    } else if which < 3.5 {
        row[1]
    } else {
        row[2]
    }
}

/// Basic pitch and minor diameter in inches.
fn basics_in(sheet: &mut Worksheet, spec: &ThreadSpec) -> [Num; 2] {
    let [d, p] = inches(sheet, spec);
    [1.0, 2.0].map(|k| sheet.apply(&WHIT_BASIC, [d, k.into(), p]))
}

pub(super) fn basics(sheet: &mut Worksheet, spec: &ThreadSpec) -> Basics {
    if spec.system == System::PipeG {
        let (d, p) = (Num::from(real(&spec.major)), Num::from(real(&spec.pitch)));
        let [pitch, minor] = [1.0, 2.0].map(|k| sheet.apply(&PIPE_BASIC, [d, k.into(), p]));
        return Basics { pitch, minor };
    }
    let [pitch, minor] = basics_in(sheet, spec);
    Basics { pitch: sheet.apply(&rules::MM_OF_IN, [pitch]), minor: sheet.apply(&rules::MM_OF_IN, [minor]) }
}

pub(super) fn limits(sheet: &mut Worksheet, ask: &MemberQuery, fit: WhitworthFit) -> Limits {
    let [d, p] = inches(sheet, ask.spec);
    let [pitch_basic, minor_basic] = basics_in(sheet, ask.spec);
    let k = match fit {
        WhitworthFit::Close => 2.0 / 3.0,
        WhitworthFit::Medium => 1.0,
        WhitworthFit::Free => 1.5,
    };
    let le = ask.engagement_mm.map_or(d, |mm| sheet.apply(&rules::IN_OF_MM, [mm.into()]));
    let tolerance = sheet.apply(&WHIT_TOLERANCE, [k.into(), d, le, p]);
    let mm = |sheet: &mut Worksheet, inches: Num| sheet.apply(&rules::MM_OF_IN, [inches]);
    if ask.side == Side::External {
        let crest = sheet.apply(&WHIT_WIDER, [tolerance, 0.01.into(), p]);
        let root = sheet.apply(&WHIT_WIDER, [tolerance, 0.02.into(), p]);
        let [major_min, pitch_min, minor_min] =
            [(d, crest), (pitch_basic, tolerance), (minor_basic, root)].map(|(size, less)| sheet.apply(&rules::LESS_IN, [size, less]));
        Limits {
            major: (Some(mm(sheet, major_min)), Some(mm(sheet, d))),
            pitch: (mm(sheet, pitch_min), mm(sheet, pitch_basic)),
            minor: (Some(mm(sheet, minor_min)), Some(mm(sheet, minor_basic))),
        }
    } else {
        let c = if p.value > 1.0 / 20.5 {
            0.007
        } else if p.value > 1.0 / 25.0 {
            0.005
        } else {
            0.004
        };
        let crest = sheet.apply(&WHIT_NUT_MINOR, [p, c.into()]);
        let [pitch_max, minor_max] = [(pitch_basic, tolerance), (minor_basic, crest)].map(|(size, more)| sheet.apply(&rules::PLUS_IN, [size, more]));
        Limits {
            major: (Some(mm(sheet, d)), None),
            pitch: (mm(sheet, pitch_basic), mm(sheet, pitch_max)),
            minor: (Some(mm(sheet, minor_basic)), Some(mm(sheet, minor_max))),
        }
    }
}

/// Limits of a pipe thread: the screw's pitch diameter twice as wide in class B, the socket in one class.
pub(super) fn pipe_limits(sheet: &mut Worksheet, ask: &MemberQuery, wide: bool) -> Limits {
    let d = Num::from(real(&ask.spec.major));
    let basic = basics(sheet, ask.spec);
    let mut tolerance = |which: f64| sheet.apply(&PIPE_TOLERANCE, [d, which.into()]);
    let external = ask.side == Side::External;
    let pitch = tolerance(if wide && external { 2.0 } else { 1.0 });
    let crest = tolerance(if external { 3.0 } else { 4.0 });
    if external {
        Limits {
            major: (Some(sheet.apply(&rules::LESS, [d, crest])), Some(d)),
            pitch: (sheet.apply(&rules::LESS, [basic.pitch, pitch]), basic.pitch),
            minor: (None, Some(basic.minor)),
        }
    } else {
        Limits {
            major: (Some(d), None),
            pitch: (basic.pitch, sheet.apply(&rules::PLUS, [basic.pitch, pitch])),
            minor: (Some(basic.minor), Some(sheet.apply(&rules::PLUS, [basic.minor, crest]))),
        }
    }
}

/// Whitworth.
pub struct Whitworth;

impl Family for Whitworth {
    fn word(&self) -> &'static str {
        "Whitworth"
    }

    fn flanks_deg(&self) -> [f64; 2] {
        [27.5; 2]
    }

    /// Its sizes are printed to a tenth of a thousandth of an inch: half of that.
    fn rounding_mm(&self) -> f64 {
        0.0013
    }

    fn basics(&self, sheet: &mut Worksheet, spec: &ThreadSpec) -> Basics {
        basics(sheet, spec)
    }

    fn limits(&self, sheet: &mut Worksheet, query: &MemberQuery) -> Limits {
        let Class::Whitworth(fit) = query.class else { return special::limits(sheet, query) };
        limits(sheet, query, fit)
    }

    fn usual_class(&self, _side: Side, _major_mm: f64) -> Class {
        Class::Whitworth(WhitworthFit::Medium)
    }

    fn classes(&self, _side: Side) -> Vec<Class> {
        [WhitworthFit::Close, WhitworthFit::Medium, WhitworthFit::Free].map(Class::Whitworth).into()
    }

    fn read_class(&self, text: &str) -> Result<Class, Sentence> {
        match text.trim().to_ascii_lowercase().as_str() {
            "close" => Ok(Class::Whitworth(WhitworthFit::Close)),
            "medium" => Ok(Class::Whitworth(WhitworthFit::Medium)),
            "free" => Ok(Class::Whitworth(WhitworthFit::Free)),
            _ => Err(sentence!("class-whitworth", text = &text)),
        }
    }

    fn rules(&self) -> &'static [&'static Rule] {
        ALL
    }

    fn handbook_depths(&self, _pitch_mm: f64) -> &'static [(&'static str, f64)] {
        DEPTHS
    }

    fn rounded_depth(&self) -> Option<f64> {
        Some(DEPTH)
    }
}

/// Parallel pipe.
pub struct PipeG;

impl Family for PipeG {
    fn word(&self) -> &'static str {
        "parallel pipe"
    }

    fn flanks_deg(&self) -> [f64; 2] {
        [27.5; 2]
    }

    fn basics(&self, sheet: &mut Worksheet, spec: &ThreadSpec) -> Basics {
        basics(sheet, spec)
    }

    fn limits(&self, sheet: &mut Worksheet, query: &MemberQuery) -> Limits {
        pipe_limits(sheet, query, matches!(query.class, Class::Pipe { wide: true }))
    }

    fn usual_class(&self, side: Side, _major_mm: f64) -> Class {
        if side == Side::External { Class::Pipe { wide: false } } else { Class::Nominal }
    }

    fn classes(&self, side: Side) -> Vec<Class> {
        match side {
            Side::External => [false, true].map(|wide| Class::Pipe { wide }).into(),
            Side::Internal => Vec::new(),
        }
    }

    fn read_class(&self, text: &str) -> Result<Class, Sentence> {
        match text.trim().to_ascii_uppercase().as_str() {
            "A" => Ok(Class::Pipe { wide: false }),
            "B" => Ok(Class::Pipe { wide: true }),
            _ => Err(sentence!("class-pipe", text = &text)),
        }
    }

    fn rules(&self) -> &'static [&'static Rule] {
        ALL
    }

    fn handbook_depths(&self, _pitch_mm: f64) -> &'static [(&'static str, f64)] {
        DEPTHS
    }

    fn rounded_depth(&self) -> Option<f64> {
        Some(DEPTH)
    }
}
