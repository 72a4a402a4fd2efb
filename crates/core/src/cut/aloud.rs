//! A setting as a machinist says it aloud: `one turn and twelve and a half divisions`.

use super::DialSetting;
use crate::job::ReadBy;
use crate::quantity::LengthUnit;
use crate::voice::Voice;

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

/// A whole number in words, up to 9999; past it in figures.
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

/// A reading, figure by figure after its point.
fn figures(text: &str) -> String {
    let (whole, part) = text.split_once('.').unwrap_or((text, ""));
    let whole = whole.parse().map_or_else(|_| whole.to_owned(), number);
    if part.is_empty() {
        return whole;
    }
    let digits: Vec<&str> = part.chars().filter_map(|c| c.to_digit(10)).map(|d| UNITS[d as usize]).collect();
    format!("{whole} point {}", digits.join(" "))
}

/// A setting in words, in its dial's own divisions or its readout's own unit.
#[must_use]
pub fn aloud(setting: &DialSetting, voice: Voice) -> String {
    if setting.read_by == ReadBy::Readout {
        let unit = if setting.unit == LengthUnit::In { "inches".to_owned() } else { voice.fill("milli{meter}s") };
        return format!("{} {unit}", figures(setting.reading.split(' ').next().unwrap_or_default()));
    }
    #[allow(clippy::cast_possible_truncation, clippy::cast_sign_loss)] // a dial has some hundreds of divisions
    let whole = setting.divisions.max(0.0).floor() as u32;
    let half = setting.divisions - setting.divisions.floor() > 0.25;
    let divisions = match (whole, half) {
        (0, true) => "half a division".to_owned(),
        (1, false) => "one division".to_owned(),
        (n, false) => format!("{} divisions", number(n)),
        (n, true) => format!("{} and a half divisions", number(n)),
    };
    match setting.turns {
        0 => divisions,
        n => {
            let turns = if n == 1 { "one turn".to_owned() } else { format!("{} turns", number(n)) };
            if whole == 0 && !half { turns } else { format!("{turns} and {divisions}") }
        }
    }
}
