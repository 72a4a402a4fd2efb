//! Unified limits: ASME B1.1, worked in inches and rounded as the standard rounds.

use super::{Basics, Family, Limits, MemberQuery, Note, SIXTY_DEPTHS, special};
use crate::class::Class;
use crate::quantity::{MM_PER_INCH, Ratio, real};
use crate::rules::{self, round3, round4, round6};
use crate::spec::ThreadSpec;
use crate::system::Side;
use crate::watch::Code;
use crate::working::{Num, Rule, Worksheet, rule};
use yoke_ground::says::Sentence;
use yoke_ground::{say, sentence};

rule!(UN_PITCH_BASIC = "thread.un_pitch_basic", "Basic pitch diameter", (D: In "nominal diameter", P: In "pitch") -> E: In,
    "round4(D - 0.375*sqrt(3)*P)", "ASME B1.1, to 0.0001 in", round4(D - 0.375 * 3_f64.sqrt() * P));
rule!(UN_MINOR_BASIC = "thread.un_minor_basic", "Basic minor diameter", (D: In "nominal diameter", P: In "pitch") -> D1: In,
    "round4(D - 0.625*sqrt(3)*P)", "ASME B1.1, to 0.0001 in", round4(D - 0.625 * 3_f64.sqrt() * P));
rule!(UN_BASE = "thread.un_base", "Base tolerance, class 2A", (D: In "nominal diameter", LE: In "length of engagement", P: In "pitch") -> t: In,
    "0.0015*cbrt(D) + 0.0015*sqrt(LE) + 0.015*cbrt(P^2)", "ASME B1.1", base_tolerance(D, LE, P));
rule!(UN_PD_TOLERANCE = "thread.un_pd_tolerance", "Pitch diameter tolerance", (k: One "class factor", t: In "base tolerance") -> T: In,
    "round4(k*round6(t))", "ASME B1.1: 1A 1.5, 2A 1, 3A 0.75, 1B 1.95, 2B 1.3, 3B 0.975", round4(k * round6(t)));
rule!(UN_ALLOWANCE = "thread.un_allowance", "Allowance of classes 1A and 2A", (t: In "base tolerance") -> es: In,
    "round4(0.3*round6(t))", "ASME B1.1", round4(0.3 * round6(t)));
rule!(UN_MAJOR_TOLERANCE = "thread.un_major_tolerance", "Major diameter tolerance", (k: One "0.06, or 0.09 for class 1A", P: In "pitch") -> T: In,
    "round4(k*cbrt(P^2))", "ASME B1.1", round4(k * (P * P).cbrt()));
rule!(UN_MINOR_TOLERANCE = "thread.un_minor_tolerance", "Internal minor diameter tolerance", (D: In "nominal diameter", P: In "pitch", c: One "class") -> T: In,
    "table: classes 1B, 2B: 0.25P − 0.4P² from 1/4 in (0.15P under 4 TPI), 0.05P^(2/3) + 0.03P/D − 0.002 below; class 3B that, not under 0.23P − 1.5P² or 0.12P; to 0.0001 in", "ASME B1.1",
    round4(minor_tolerance(D, P, c)));
rule!(THOU = "thread.to_thou", "To the nearest 0.001 in, as tables print it", (x: In "size") -> y: In, "round3(x)", "ASME B1.1 prints the minor diameter so from 0.138 in, but for class 3B", round3(round6(x)));

/// All of them.
pub(super) static ALL: &[&Rule] =
    &[&UN_PITCH_BASIC, &UN_MINOR_BASIC, &UN_BASE, &UN_PD_TOLERANCE, &UN_ALLOWANCE, &UN_MAJOR_TOLERANCE, &UN_MINOR_TOLERANCE, &THOU];

/// Pitch diameter tolerance of a class 2A screw in inches.
fn base_tolerance(d: f64, le: f64, p: f64) -> f64 {
    0.0015 * d.cbrt() + 0.0015 * le.sqrt() + 0.015 * (p * p).cbrt()
}

/// Internal minor diameter tolerance in inches for class 1, 2 or 3 B.
fn minor_tolerance(d: f64, p: f64, class: f64) -> f64 {
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

/// Engagement past which tables no longer hold, in diameters.
const LONG_DIAMETERS: f64 = 1.5;

/// Engagement the tables are made for, inches, and the span of engagements they are good for.
fn tabled(spec: &ThreadSpec) -> (f64, [f64; 2]) {
    let (d, p) = spec.inches();
    let by_diameter = matches!(spec.series.as_str(), "UNC" | "UNF")
        || (spec.series == "UN" && spec.tpi.is_some_and(|n| [4, 6, 8].iter().any(|k| n == Ratio::from_integer(*k))));
    if by_diameter { (d, [0.0, LONG_DIAMETERS * d]) } else { (9.0 * p, [5.0 * p, 15.0 * p]) }
}

/// Length of engagement the tolerance is taken at, inches: the tables' own unless what is told, or the thread itself, is outside their span.
fn engagement(spec: &ThreadSpec, engagement_mm: Option<f64>, length_mm: f64) -> f64 {
    let (table, [least, most]) = tabled(spec);
    let le = engagement_mm.unwrap_or(MM_PER_INCH * table).min(length_mm) / MM_PER_INCH;
    if (least - 1e-9..=most + 1e-9).contains(&le) { table } else { le }
}

/// Nominal diameter and pitch on the sheet, inches.
pub(super) fn inches(sheet: &mut Worksheet, spec: &ThreadSpec) -> [Num; 2] {
    [sheet.apply(&rules::IN_OF_MM, [real(&spec.major).into()]), sheet.apply(&rules::IN_OF_MM, [real(&spec.pitch).into()])]
}

pub(super) fn basics(sheet: &mut Worksheet, spec: &ThreadSpec) -> Basics {
    let di_pi = inches(sheet, spec);
    let (pitch, minor) = (sheet.apply(&UN_PITCH_BASIC, di_pi), sheet.apply(&UN_MINOR_BASIC, di_pi));
    Basics { pitch: sheet.apply(&rules::MM_OF_IN, [pitch]), minor: sheet.apply(&rules::MM_OF_IN, [minor]) }
}

pub(super) fn limits(sheet: &mut Worksheet, ask: &MemberQuery, number: u8) -> Limits {
    let side = ask.side;
    let [d, p] = inches(sheet, ask.spec);
    let le = Num::from(engagement(ask.spec, ask.engagement_mm, ask.length_mm));
    let base = sheet.apply(&UN_BASE, [d, le, p]);
    let pitch_basic = sheet.apply(&UN_PITCH_BASIC, [d, p]);
    let minor_basic = sheet.apply(&UN_MINOR_BASIC, [d, p]);
    let factor = match (number, side) {
        (1, Side::External) => 1.5,
        (2, Side::External) => 1.0,
        (_, Side::External) => 0.75,
        (1, Side::Internal) => 1.95,
        (2, Side::Internal) => 1.3,
        (_, Side::Internal) => 0.975,
    };
    let pd_tolerance = sheet.apply(&UN_PD_TOLERANCE, [factor.into(), base]);
    let in_mm = |sheet: &mut Worksheet, inches: Num| sheet.apply(&rules::MM_OF_IN, [inches]);
    if side == Side::External {
        let allowance = if number == 3 { Num::from(0.0) } else { sheet.apply(&UN_ALLOWANCE, [base]) };
        let major_tolerance = sheet.apply(&UN_MAJOR_TOLERANCE, [(if number == 1 { 0.09 } else { 0.06 }).into(), p]);
        let major_max = sheet.apply(&rules::LESS_IN, [d, allowance]);
        let major_min = sheet.apply(&rules::LESS_IN, [major_max, major_tolerance]);
        let pitch_max = sheet.apply(&rules::LESS_IN, [pitch_basic, allowance]);
        let pitch_min = sheet.apply(&rules::LESS_IN, [pitch_max, pd_tolerance]);
        let minor_max = sheet.apply(&rules::LESS_IN, [minor_basic, allowance]);
        Limits {
            major: (Some(in_mm(sheet, major_min)), Some(in_mm(sheet, major_max))),
            pitch: (in_mm(sheet, pitch_min), in_mm(sheet, pitch_max)),
            minor: (None, Some(in_mm(sheet, minor_max))),
        }
    } else {
        let minor_tolerance = sheet.apply(&UN_MINOR_TOLERANCE, [d, p, f64::from(number).into()]);
        let minor_max = sheet.apply(&rules::PLUS_IN, [minor_basic, minor_tolerance]);
        // Class 3B and the small numbered sizes are printed to a tenth of a thou.
        let fine = number == 3 || d.value < 0.138 - 1e-9;
        let [minor_min, minor_max] = [minor_basic, minor_max].map(|size| if fine { size } else { sheet.apply(&THOU, [size]) });
        let pitch_max = sheet.apply(&rules::PLUS_IN, [pitch_basic, pd_tolerance]);
        Limits {
            major: (Some(in_mm(sheet, d)), None),
            pitch: (in_mm(sheet, pitch_basic), in_mm(sheet, pitch_max)),
            minor: (Some(in_mm(sheet, minor_min)), Some(in_mm(sheet, minor_max))),
        }
    }
}

/// Unified.
pub struct Unified;

impl Family for Unified {
    fn word(&self) -> &'static str {
        "Unified"
    }

    fn flanks_deg(&self) -> [f64; 2] {
        [30.0; 2]
    }

    fn basics(&self, sheet: &mut Worksheet, spec: &ThreadSpec) -> Basics {
        basics(sheet, spec)
    }

    fn limits(&self, sheet: &mut Worksheet, query: &MemberQuery) -> Limits {
        let Class::Unified { number, .. } = query.class else { return special::limits(sheet, query) };
        limits(sheet, query, number)
    }

    fn usual_class(&self, side: Side, _major_mm: f64) -> Class {
        Class::Unified { number: 2, side }
    }

    fn classes(&self, side: Side) -> Vec<Class> {
        (1..=3).map(|number| Class::Unified { number, side }).collect()
    }

    fn read_class(&self, text: &str) -> Result<Class, Sentence> {
        let upper = text.trim().to_ascii_uppercase();
        let mut chars = upper.chars();
        let (Some(number @ '1'..='3'), Some(letter @ ('A' | 'B')), None) = (chars.next(), chars.next(), chars.next()) else {
            return Err(sentence!("class-unified", text = &text));
        };
        let side = if letter == 'A' { Side::External } else { Side::Internal };
        Ok(Class::Unified { number: number as u8 - b'0', side })
    }

    fn rules(&self) -> &'static [&'static Rule] {
        ALL
    }

    fn handbook_depths(&self, _pitch_mm: f64) -> &'static [(&'static str, f64)] {
        SIXTY_DEPTHS
    }

    fn is_sixty(&self) -> bool {
        true
    }

    /// UNR starts lower than the ISO root of a strong bolt.
    fn least_root_radius(&self) -> f64 {
        0.108
    }

    fn engagement_note(&self, sheet: &mut Worksheet, spec: &ThreadSpec, engaged_mm: f64, pitch: Num) -> Option<Note> {
        let voice = sheet.voice();
        let (table, [_, most]) = tabled(spec);
        let le = engagement(spec, Some(engaged_mm), f64::INFINITY);
        // The screw's, of class 2; the others' are in proportion.
        let (d, p) = spec.inches();
        let [at, by_table] = [le, table].map(|le| base_tolerance(d, le, p));
        let differs = ((at / by_table - 1.0) * 100.0).round();
        let taken = match (le - table).abs() < 1e-9 {
            true => "table",
            false if differs < 0.0 => "closer",
            false => "wider",
        };
        let by = crate::quantity::plain_text(differs.abs(), 0);
        if le > most + 1e-9 {
            Some((
                Code::EngagementLong,
                say!(voice, "un-engages-long", engages = voice.along(engaged_mm), most = voice.along(most * MM_PER_INCH), taken = taken, by = by),
            ))
        } else if engaged_mm < 5.0 * pitch.value - 1e-9 {
            Some((Code::EngagementShort, say!(voice, "un-engages-short", engages = voice.along(engaged_mm), taken = taken, by = by)))
        } else {
            None
        }
    }
}
