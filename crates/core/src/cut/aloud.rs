//! A setting as a machinist says it aloud: `one turn and twelve and a half divisions`.

use super::DialSetting;
use crate::job::ReadBy;
use crate::quantity::LengthUnit;
use crate::say;
use crate::voice::Voice;
use crate::words::Vocabulary;

const UNITS: [&str; 20] = [
    "nought",
    "one",
    "two",
    "three",
    "four",
    "five",
    "six",
    "seven",
    "eight",
    "nine",
    "ten",
    "eleven",
    "twelve",
    "thirteen",
    "fourteen",
    "fifteen",
    "sixteen",
    "seventeen",
    "eighteen",
    "nineteen",
];
const TENS: [&str; 10] = ["", "", "twenty", "thirty", "forty", "fifty", "sixty", "seventy", "eighty", "ninety"];

/// A whole number in English words, up to 9999; past it in figures.
#[must_use]
pub fn number(n: u32) -> String {
    let below_hundred = |n: u32| -> String {
        let (ten, one) = ((n / 10) as usize, (n % 10) as usize);
        match n {
            0..=19 => UNITS[n as usize].to_owned(),
            _ if one == 0 => TENS[ten].to_owned(),
            _ => format!("{}-{}", TENS[ten], UNITS[one]),
        }
    };
    let below_thousand = |n: u32| -> String {
        match (n / 100, n % 100) {
            (0, rest) => below_hundred(rest),
            (h, 0) => format!("{} hundred", UNITS[h as usize]),
            (h, rest) => format!("{} hundred and {}", UNITS[h as usize], below_hundred(rest)),
        }
    };
    match (n / 1000, n % 1000) {
        (0, rest) => below_thousand(rest),
        (t @ 1..=9, 0) => format!("{} thousand", UNITS[t as usize]),
        (t @ 1..=9, rest) => format!("{} thousand {}", UNITS[t as usize], below_thousand(rest)),
        _ => n.to_string(),
    }
}

const EINER: [&str; 20] = [
    "null",
    "eins",
    "zwei",
    "drei",
    "vier",
    "fünf",
    "sechs",
    "sieben",
    "acht",
    "neun",
    "zehn",
    "elf",
    "zwölf",
    "dreizehn",
    "vierzehn",
    "fünfzehn",
    "sechzehn",
    "siebzehn",
    "achtzehn",
    "neunzehn",
];
const ZEHNER: [&str; 10] = ["", "", "zwanzig", "dreißig", "vierzig", "fünfzig", "sechzig", "siebzig", "achtzig", "neunzig"];

/// The same in German words: ones before tens, all in one.
#[must_use]
pub fn zahl(n: u32) -> String {
    // Before another word a one loses its ending.
    let before = |n: u32| if n == 1 { "ein".to_owned() } else { zahl(n) };
    match n {
        0..=19 => EINER[n as usize].to_owned(),
        20..=99 if n.is_multiple_of(10) => ZEHNER[(n / 10) as usize].to_owned(),
        20..=99 => format!("{}und{}", before(n % 10), ZEHNER[(n / 10) as usize]),
        100..=999 if n.is_multiple_of(100) => format!("{}hundert", before(n / 100)),
        100..=999 => format!("{}hundert{}", before(n / 100), zahl(n % 100)),
        1000..=9999 if n.is_multiple_of(1000) => format!("{}tausend", before(n / 1000)),
        1000..=9999 => format!("{}tausend{}", before(n / 1000), zahl(n % 1000)),
        _ => n.to_string(),
    }
}

/// A whole number in the words of the voice's language.
fn counted(n: u32, voice: Voice) -> String {
    match voice.words {
        Vocabulary::American | Vocabulary::British => number(n),
        Vocabulary::German => zahl(n),
    }
}

/// A reading, figure by figure after its point.
fn figures(text: &str, voice: Voice) -> String {
    let (whole, part) = text.split_once(['.', ',']).unwrap_or((text, ""));
    let whole = whole.parse().map_or_else(|_| whole.to_owned(), |n| counted(n, voice));
    if part.is_empty() {
        return whole;
    }
    let digits: Vec<String> = part.chars().filter_map(|c| c.to_digit(10)).map(|d| counted(d, voice)).collect();
    say!(voice, "aloud-point", whole = whole, digits = digits.join(" "))
}

/// A setting in words, in its dial's own divisions or its readout's own unit.
#[must_use]
pub fn aloud(setting: &DialSetting, voice: Voice) -> String {
    if setting.read_by == ReadBy::Readout {
        let unit = if setting.unit == LengthUnit::In { "aloud-inches" } else { "aloud-millimeters" };
        return say!(voice, unit, figure = figures(setting.reading.split(' ').next().unwrap_or_default(), voice));
    }
    #[allow(clippy::cast_possible_truncation, clippy::cast_sign_loss)] // a dial has some hundreds of divisions
    let whole = setting.divisions.max(0.0).floor() as u32;
    let half = setting.divisions - setting.divisions.floor() > 0.25;
    let words = |n| counted(n, voice);
    let divisions = match (whole, half) {
        (0, true) => say!(voice, "aloud-half"),
        (n, false) => say!(voice, "aloud-divisions", n = n, words = words(n)),
        (n, true) => say!(voice, "aloud-and-half", words = words(n)),
    };
    match setting.turns {
        0 => divisions,
        n if whole == 0 && !half => say!(voice, "aloud-turns", n = n, words = words(n)),
        n => say!(voice, "aloud-turns-and", n = n, words = words(n), divisions = divisions),
    }
}
