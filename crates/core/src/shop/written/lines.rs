//! Things written one a line, what is known of each between semicolons.

use super::sizes::{length, size};
use crate::kit::{
    ChaserKind, HolderKind, MicrometerKind, OwnedChaser, OwnedHolder, OwnedIndicator, OwnedMicrometer, OwnedReamer, OwnedScrewGauge, ScrewGaugeKind,
};
use crate::quantity::{LengthUnit, parse_length};

/// A thing of the drawer that is written on a line of its own.
pub(super) trait Line: Sized {
    /// Its kind, as the sentence about one that does not read names it.
    const OF: &'static str;

    /// What a line says: one thing, or a set of them; none where it does not read.
    fn read(line: &str, otherwise: LengthUnit) -> Option<Vec<Self>>;

    /// The line that would say it.
    fn write(&self, unit: LengthUnit) -> String;
}

/// Words and what they stand for; the first of those alike is the one that is written.
pub(super) type Words<T> = &'static [(&'static str, T)];

pub(super) fn kind_of<T: Copy>(words: Words<T>, text: &str) -> Option<T> {
    words.iter().find(|(word, _)| *word == text).map(|(_, kind)| *kind)
}

pub(super) fn word_of<T: Copy + PartialEq>(words: Words<T>, kind: T) -> &'static str {
    words.iter().find(|(_, k)| *k == kind).map_or("", |(word, _)| word)
}

/// What stands between the semicolons of a line, as it stands and in small letters.
pub(super) fn parts(line: &str) -> impl Iterator<Item = (&str, String)> {
    line.split(';').map(str::trim).filter(|p| !p.is_empty()).map(|p| (p, p.to_lowercase().replace("center", "centre")))
}

/// A length that may be under nought.
pub(super) fn signed(text: &str, otherwise: LengthUnit) -> Option<f64> {
    let bare = text.trim().trim_start_matches(['-', '\u{2212}']);
    length(bare, otherwise).map(|mm| if bare.len() < text.trim().len() { -mm } else { mm })
}

/// `10 to 25 mm`: the unit may stand once, at the end.
pub(super) fn span(text: &str, otherwise: LengthUnit) -> Option<(f64, f64)> {
    let (from, to) = text.split_once(" to ")?;
    let unit = parse_length(to, otherwise).ok()?.unit;
    Some((length(from, unit)?, length(to, unit)?))
}

/// Takes what every instrument may tell, zero, spread and whether it is lent; says whether a part was one of those, none where it does not read.
fn read_rest(part: &str, otherwise: LengthUnit, zero: &mut f64, spread: &mut Option<f64>, lent: &mut bool) -> Option<bool> {
    if let Some(told) = part.strip_prefix("zero") {
        *zero = signed(told, otherwise)?;
    } else if let Some(told) = part.strip_prefix("spread") {
        *spread = Some(signed(told, otherwise)?);
    } else if part == "lent" {
        *lent = true;
    } else {
        return Some(false);
    }
    Some(true)
}

/// The same in the order they are written.
fn rest(zero: f64, spread: Option<f64>, lent: bool, unit: LengthUnit) -> String {
    let zero = if zero == 0.0 { String::new() } else { format!("; zero {}", size(zero, unit)) };
    let spread = spread.map_or_else(String::new, |s| format!("; spread {}", size(s, unit)));
    format!("{zero}{spread}{}", flag("lent", lent))
}

/// A word, where it is so.
pub(super) fn flag(word: &str, is: bool) -> String {
    if is { format!("; {word}") } else { String::new() }
}

const MICROMETERS: Words<MicrometerKind> = &[
    ("outside", MicrometerKind::Outside),
    ("thread", MicrometerKind::Thread),
    ("inside thread", MicrometerKind::InsideThread),
    ("inside", MicrometerKind::Inside),
];

impl Line for OwnedMicrometer {
    const OF: &'static str = "micrometer";

    fn read(line: &str, otherwise: LengthUnit) -> Option<Vec<Self>> {
        let mut parts = parts(line);
        let name = parts.next()?.0.to_owned();
        let mut one = Self { name, kind: MicrometerKind::Outside, from_mm: f64::NAN, to_mm: f64::NAN, zero_mm: 0.0, spread_mm: None, lent: false };
        for (_, part) in parts {
            if read_rest(&part, otherwise, &mut one.zero_mm, &mut one.spread_mm, &mut one.lent)? {
                continue;
            }
            if let Some((from, to)) = span(&part, otherwise) {
                (one.from_mm, one.to_mm) = (from, to);
            } else {
                one.kind = kind_of(MICROMETERS, &part)?;
            }
        }
        one.from_mm.is_finite().then_some(vec![one])
    }

    fn write(&self, unit: LengthUnit) -> String {
        let kind = word_of(MICROMETERS, self.kind);
        let rest = rest(self.zero_mm, self.spread_mm, self.lent, unit);
        format!("{}; {kind}; {} to {}{rest}", self.name, size(self.from_mm, unit), size(self.to_mm, unit))
    }
}

impl Line for OwnedIndicator {
    const OF: &'static str = "indicator";

    fn read(line: &str, otherwise: LengthUnit) -> Option<Vec<Self>> {
        let mut parts = parts(line);
        let name = parts.next()?.0.to_owned();
        let mut one = Self { name, lever: false, range_mm: f64::NAN, graduation_mm: f64::NAN, zero_mm: 0.0, spread_mm: None, lent: false };
        for (_, part) in parts {
            if read_rest(&part, otherwise, &mut one.zero_mm, &mut one.spread_mm, &mut one.lent)? {
                continue;
            }
            if let Some(division) = part.strip_prefix("divides") {
                one.graduation_mm = length(division.trim(), otherwise)?;
            } else {
                match part.as_str() {
                    "lever" => one.lever = true,
                    "plunger" => one.lever = false,
                    _ => one.range_mm = length(&part, otherwise)?,
                }
            }
        }
        (one.range_mm.is_finite() && one.graduation_mm.is_finite()).then_some(vec![one])
    }

    fn write(&self, unit: LengthUnit) -> String {
        let kind = if self.lever { "lever" } else { "plunger" };
        let rest = rest(self.zero_mm, self.spread_mm, self.lent, unit);
        format!("{}; {kind}; {}; divides {}{rest}", self.name, size(self.range_mm, unit), size(self.graduation_mm, unit))
    }
}

const GAUGES: Words<ScrewGaugeKind> = &[
    ("plug", ScrewGaugeKind::Plug),
    ("go plug", ScrewGaugeKind::GoPlug),
    ("not-go plug", ScrewGaugeKind::NotGoPlug),
    ("no-go plug", ScrewGaugeKind::NotGoPlug),
    ("ring", ScrewGaugeKind::Ring),
    ("go ring", ScrewGaugeKind::GoRing),
    ("not-go ring", ScrewGaugeKind::NotGoRing),
    ("no-go ring", ScrewGaugeKind::NotGoRing),
];

impl Line for OwnedScrewGauge {
    const OF: &'static str = "gauge";

    fn read(line: &str, _: LengthUnit) -> Option<Vec<Self>> {
        let mut parts = parts(line);
        let thread = parts.next()?.0.to_owned();
        let kind = kind_of(GAUGES, &parts.next()?.1)?;
        let lent = parts.next().map_or(Some(false), |(_, p)| (p == "lent").then_some(true))?;
        parts.next().is_none().then(|| vec![Self { thread, kind, lent }])
    }

    fn write(&self, _: LengthUnit) -> String {
        format!("{}; {}{}", self.thread, word_of(GAUGES, self.kind), flag("lent", self.lent))
    }
}

const CHASERS: Words<ChaserKind> = &[
    ("taper tap", ChaserKind::TaperTap),
    ("second tap", ChaserKind::SecondTap),
    ("bottoming tap", ChaserKind::BottomingTap),
    ("tap", ChaserKind::SecondTap),
    ("die", ChaserKind::Die),
    ("split die", ChaserKind::SplitDie),
    ("die nut", ChaserKind::DieNut),
];
/// What `taps` stands for: a set of three.
const SET_OF_TAPS: [ChaserKind; 3] = [ChaserKind::TaperTap, ChaserKind::SecondTap, ChaserKind::BottomingTap];

impl Line for OwnedChaser {
    const OF: &'static str = "chaser";

    fn read(line: &str, _: LengthUnit) -> Option<Vec<Self>> {
        let mut parts = parts(line);
        let thread = parts.next()?.0.to_owned();
        let kind = parts.next()?.1;
        let kinds = if kind == "taps" { SET_OF_TAPS.to_vec() } else { vec![kind_of(CHASERS, &kind)?] };
        let (mut worn, mut lent) = (false, false);
        for (_, part) in parts {
            match part.as_str() {
                "worn" => worn = true,
                "lent" => lent = true,
                _ => return None,
            }
        }
        Some(kinds.into_iter().map(|kind| Self { thread: thread.clone(), kind, worn, lent }).collect())
    }

    fn write(&self, _: LengthUnit) -> String {
        format!("{}; {}{}{}", self.thread, word_of(CHASERS, self.kind), flag("worn", self.worn), flag("lent", self.lent))
    }
}

const HOLDERS: Words<HolderKind> = &[
    ("dog", HolderKind::Dog),
    ("live centre", HolderKind::LiveCentre),
    ("dead centre", HolderKind::DeadCentre),
    ("half centre", HolderKind::HalfCentre),
    ("fixed steady", HolderKind::FixedSteady),
    ("travelling steady", HolderKind::TravellingSteady),
    ("follow rest", HolderKind::TravellingSteady),
    ("steady rest", HolderKind::FixedSteady),
    ("collet", HolderKind::Collet),
    ("collets", HolderKind::Collet),
    ("arbor", HolderKind::Arbor),
    ("mandrel", HolderKind::Arbor),
];

impl Line for OwnedHolder {
    const OF: &'static str = "holder";

    fn read(line: &str, otherwise: LengthUnit) -> Option<Vec<Self>> {
        let mut parts = parts(line);
        let mut one = Self { kind: kind_of(HOLDERS, &parts.next()?.1)?, from_mm: None, to_mm: None, lent: false };
        for (_, part) in parts {
            if part == "lent" {
                one.lent = true;
            } else if let Some((from, to)) = span(&part, otherwise) {
                (one.from_mm, one.to_mm) = (Some(from), Some(to));
            } else {
                let mm = length(&part, otherwise)?;
                (one.from_mm, one.to_mm) = (Some(mm), Some(mm));
            }
        }
        Some(vec![one])
    }

    fn write(&self, unit: LengthUnit) -> String {
        let sizes = match (self.from_mm, self.to_mm) {
            (Some(from), Some(to)) if (to - from).abs() < 1e-9 => format!("; {}", size(to, unit)),
            (from, Some(to)) => format!("; {} to {}", size(from.unwrap_or(0.0), unit), size(to, unit)),
            (Some(from), None) => format!("; {}", size(from, unit)),
            (None, None) => String::new(),
        };
        format!("{}{sizes}{}", word_of(HOLDERS, self.kind), flag("lent", self.lent))
    }
}

impl Line for OwnedReamer {
    const OF: &'static str = "reamer";

    fn read(line: &str, otherwise: LengthUnit) -> Option<Vec<Self>> {
        let mut parts = parts(line);
        let sizes = parts.next()?.1;
        let (from_mm, to_mm) = span(&sizes, otherwise).or_else(|| length(&sizes, otherwise).map(|mm| (mm, mm)))?;
        let lent = parts.next().map_or(Some(false), |(_, p)| (p == "lent").then_some(true))?;
        parts.next().is_none().then(|| vec![Self { from_mm, to_mm, lent }])
    }

    fn write(&self, unit: LengthUnit) -> String {
        let sizes =
            if self.to_mm - self.from_mm < 1e-9 { size(self.to_mm, unit) } else { format!("{} to {}", size(self.from_mm, unit), size(self.to_mm, unit)) };
        format!("{sizes}{}", flag("lent", self.lent))
    }
}
