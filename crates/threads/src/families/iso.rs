//! ISO metric limits: ISO 724 basics, ISO 965-1 deviations and tolerances.

use super::{Basics, Family, Limits, MemberQuery, Note, SIXTY_DEPTHS};
use crate::class::{Class, iso};
use crate::quantity::{real, two_figures};
use crate::rules::{self, round3};
use crate::series::{Series, of_series};
use crate::spec::ThreadSpec;
use crate::system::Side;
use crate::tables;
use crate::voice::Voice;
use crate::watch::Code;
use crate::working::{Num, Rule, Worksheet, rule};
use yoke_ground::says::Sentence;
use yoke_ground::{say, sentence};

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

pub(super) fn basics(sheet: &mut Worksheet, spec: &ThreadSpec) -> Basics {
    let (d, p) = (real(&spec.major).into(), real(&spec.pitch).into());
    Basics { pitch: sheet.apply(&ISO_PITCH_BASIC, [d, p]), minor: sheet.apply(&ISO_MINOR_BASIC, [d, p]) }
}

/// Whether any tolerance of this member is computed, its size and pitch standing in no table together.
pub fn computed(spec: &ThreadSpec, class: Class) -> bool {
    let Class::Iso { pitch_position, crest_position, .. } = class else { return false };
    let (d, p) = (real(&spec.major), real(&spec.pitch));
    let internal = class.side() == Some(Side::Internal);
    let crest = if internal { tables::td1_um(p, 6.0).1 } else { tables::td_um(p, 6.0).1 };
    crest || [pitch_position, crest_position].iter().any(|c| tables::deviation_um(p, position(*c)).1) || tables::td2_um(d, p, 6.0, internal).1
}

pub(super) fn limits(sheet: &mut Worksheet, ask: &MemberQuery) -> Limits {
    let (pitch_grade, crest_grade, pitch_position, crest_position) = match ask.class {
        Class::Iso { pitch_grade, crest_grade, pitch_position, crest_position } => (pitch_grade, crest_grade, pitch_position, crest_position),
        _ => (6, 6, 'h', 'h'),
    };
    let Basics { pitch: pitch_basic, minor: minor_basic } = basics(sheet, ask.spec);
    let (dn, pn) = (Num::from(real(&ask.spec.major)), Num::from(real(&ask.spec.pitch)));
    let (pg, cg) = (Num::from(f64::from(pitch_grade)), Num::from(f64::from(crest_grade)));
    let pitch_dev = sheet.apply(&ISO_DEVIATION, [pn, position(pitch_position).into()]);
    let crest_dev = sheet.apply(&ISO_DEVIATION, [pn, position(crest_position).into()]);
    if ask.side == Side::External {
        let major_max = sheet.apply(&rules::LESS_UM, [dn, crest_dev]);
        let td = sheet.apply(&ISO_TD, [pn, cg]);
        let pitch_max = sheet.apply(&rules::LESS_UM, [pitch_basic, pitch_dev]);
        let td2 = sheet.apply(&ISO_TD2_EXT, [dn, pn, pg]);
        Limits {
            major: (Some(sheet.apply(&rules::LESS_UM, [major_max, td])), Some(major_max)),
            pitch: (sheet.apply(&rules::LESS_UM, [pitch_max, td2]), pitch_max),
            minor: (None, Some(sheet.apply(&rules::LESS_UM, [minor_basic, pitch_dev]))),
        }
    } else {
        let minor_min = sheet.apply(&rules::PLUS_UM, [minor_basic, crest_dev]);
        let td1 = sheet.apply(&ISO_TD1, [pn, cg]);
        let pitch_min = sheet.apply(&rules::PLUS_UM, [pitch_basic, pitch_dev]);
        let td2 = sheet.apply(&ISO_TD2_INT, [dn, pn, pg]);
        Limits {
            major: (Some(sheet.apply(&rules::PLUS_UM, [dn, pitch_dev])), None),
            pitch: (pitch_min, sheet.apply(&rules::PLUS_UM, [pitch_min, td2])),
            minor: (Some(minor_min), Some(sheet.apply(&rules::PLUS_UM, [minor_min, td1]))),
        }
    }
}

/// The diameter the normal engagement is reckoned from: the smallest standard one with that pitch in its range, or its own.
fn normal_diameter(spec: &ThreadSpec) -> f64 {
    let own = real(&spec.major);
    let over = tables::RANGES_MM.windows(2).find(|w| own > w[0] && own <= w[1]).map_or(0.0, |w| w[0]);
    let standard = [Series::IsoCoarse, Series::IsoFine].into_iter().flat_map(of_series).filter(|s| s.pitch == spec.pitch).map(|s| real(&s.major));
    standard.filter(|d| *d > over).fold(own, f64::min)
}

/// ISO metric.
pub struct IsoMetric;

impl Family for IsoMetric {
    fn word(&self) -> &'static str {
        "ISO metric"
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

    fn usual_class(&self, side: Side, major_mm: f64) -> Class {
        match side {
            Side::External if major_mm <= 1.4 => iso(6, 'h'),
            Side::External => iso(6, 'g'),
            Side::Internal => iso(if major_mm <= 1.4 { 5 } else { 6 }, 'H'),
        }
    }

    fn classes(&self, side: Side) -> Vec<Class> {
        match side {
            Side::External => [(6, 'h'), (6, 'g'), (6, 'f'), (6, 'e'), (8, 'g'), (8, 'e')].map(|(g, l)| iso(g, l)).into(),
            Side::Internal => [(6, 'H'), (6, 'G'), (7, 'H'), (7, 'G'), (8, 'H'), (8, 'G')].map(|(g, l)| iso(g, l)).into(),
        }
    }

    fn read_class(&self, text: &str) -> Result<Class, Sentence> {
        let wrong = |why: &str| sentence!("class-iso", text = text, why = why);
        let zone = |s: &str| -> Option<(u8, char)> {
            let mut chars = s.chars();
            match (chars.next(), chars.next(), chars.next()) {
                (Some(grade @ '3'..='9'), Some(letter @ ('e' | 'f' | 'g' | 'h' | 'G' | 'H')), None) => Some((grade as u8 - b'0', letter)),
                _ => None,
            }
        };
        let text_in = text.trim();
        let cut = if text_in.len() == 4 && text_in.is_ascii() { 2 } else { text_in.len() };
        let (first, second) = text_in.split_at(cut);
        let pitch = zone(first).ok_or_else(|| wrong("none"))?;
        let crest = if second.is_empty() { pitch } else { zone(second).ok_or_else(|| wrong("crest"))? };
        if pitch.1.is_ascii_uppercase() != crest.1.is_ascii_uppercase() {
            return Err(wrong("mixed"));
        }
        let internal = pitch.1.is_ascii_uppercase();
        if internal && !((4..=8).contains(&pitch.0) && (4..=8).contains(&crest.0)) {
            return Err(wrong("nut-grade"));
        }
        if !internal && ![4, 6, 8].contains(&crest.0) {
            return Err(wrong("crest-grade"));
        }
        Ok(Class::Iso { pitch_grade: pitch.0, crest_grade: crest.0, pitch_position: pitch.1, crest_position: crest.1 })
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

    fn tolerance_note(&self, spec: &ThreadSpec, classes: [Class; 2], voice: Voice) -> Option<Note> {
        classes.iter().any(|c| computed(spec, *c)).then(|| (Code::ToleranceComputed, say!(voice, "iso-computed")))
    }

    fn engagement_note(&self, sheet: &mut Worksheet, spec: &ThreadSpec, engaged_mm: f64, pitch: Num) -> Option<Note> {
        let voice = sheet.voice();
        let d = normal_diameter(spec);
        // As the standard prints them, to two figures.
        let [least, most] = [&rules::NORMAL_LEAST, &rules::NORMAL_MOST].map(|rule| two_figures(sheet.apply(rule, [d.into(), pitch]).value));
        let span = voice.coarsely_between(least, most);
        let engages = voice.along(engaged_mm);
        if engaged_mm > most {
            Some((Code::EngagementLong, say!(voice, "iso-engages-long", engages = engages, span = span)))
        } else {
            let short = || say!(voice, "iso-engages-short", engages = &engages, span = &span);
            (engaged_mm < least).then(|| (Code::EngagementShort, short()))
        }
    }
}
