//! A line of text from an instrument, and where in it a number stands: told by pointing at it once.
//!
//! A number is found again by the letters that stand right before it, where there are any, and else by its place among the numbers of
//! the line. So a line with a label for each axis reads whatever else it holds, and a bare list by its order.

use serde::{Deserialize, Serialize};

/// Longest line that is looked at; what is longer is no reading. House value.
const LONGEST: usize = 256;
/// Most places after the point an instrument leaves out.
const MOST_PLACES: u8 = 6;

/// A number as it stands in a line.
#[derive(Debug, Clone, PartialEq)]
pub struct Number {
    /// Where it begins and ends, its sign included, in bytes.
    pub at: [usize; 2],
    /// The letters right before it, upper case.
    pub label: String,
    /// Its value as written.
    pub value: f64,
    /// Whether a point was written.
    pub pointed: bool,
    /// The unit right after it, where one is.
    pub inches: Option<bool>,
}

/// How a number is found again in lines like the one it was pointed at in.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Pattern {
    /// The letters before it; empty where there are none.
    #[serde(default)]
    pub label: String,
    /// Its place among the numbers of the line, from 0.
    pub nth: usize,
    /// How many numbers the line holds, where it is found by its place: a line cut short is none.
    pub of: usize,
    /// Places after a point that is not written.
    #[serde(default)]
    pub places: u8,
}

/// Why nothing could be learned of a line.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Unlearned {
    /// No number stands where it was pointed.
    NoNumberThere,
    /// No number stands in it at all.
    NoNumber,
}

/// Every number of a line, in its order.
#[must_use]
pub fn numbers(line: &str) -> Vec<Number> {
    let bytes = line.as_bytes();
    if bytes.len() > LONGEST {
        return Vec::new();
    }
    let mut all = Vec::new();
    let mut i = 0;
    while i < bytes.len() {
        let begins = bytes[i].is_ascii_digit() || bytes[i] == b'.' && bytes.get(i + 1).is_some_and(u8::is_ascii_digit);
        if !begins {
            i += 1;
            continue;
        }
        let (end, pointed) = run(bytes, i);
        // A sign may stand apart from its figures, as gauges pad them.
        let sign = bytes[..i].iter().rposition(|b| *b != b' ').filter(|at| matches!(bytes[*at], b'-' | b'+'));
        let negative = sign.is_some_and(|at| bytes[at] == b'-');
        let from = sign.unwrap_or(i);
        let written = line[i..end].replace(',', ".");
        if let Ok(value) = written.parse::<f64>() {
            let label = label(&line[..from]);
            all.push(Number { at: [from, end], label, value: if negative { -value } else { value }, pointed, inches: unit(&line[end..]) });
        }
        i = end;
    }
    all
}

/// Where figures end, and whether a point or a comma stands among them. A comma followed by other than three figures and no more is a
/// point; between two numbers of a list it is what parts them.
fn run(bytes: &[u8], from: usize) -> (usize, bool) {
    let digits = |from: usize| bytes[from..].iter().take_while(|b| b.is_ascii_digit()).count();
    let whole = from + digits(from);
    let after = |at: usize| digits(at + 1);
    match bytes.get(whole) {
        Some(b'.') if after(whole) > 0 => (whole + 1 + after(whole), true),
        // A list says `12,34`; a decimal comma has figures on both sides and no point anywhere in the line.
        Some(b',') if after(whole) > 0 && !bytes.contains(&b'.') && commas(bytes) <= 1 + spaced(bytes) => (whole + 1 + after(whole), true),
        _ => (whole, false),
    }
}

fn commas(bytes: &[u8]) -> usize {
    bytes.iter().filter(|b| **b == b',').count()
}

/// How often numbers are parted by something else than a comma.
fn spaced(bytes: &[u8]) -> usize {
    bytes.windows(2).filter(|w| matches!(w[0], b' ' | b';' | b'\t') && !matches!(w[1], b' ' | b';' | b'\t')).count()
}

/// The letters right before a number, colon, equals sign and blanks let by.
fn label(before: &str) -> String {
    let before = before.trim_end_matches([' ', ':', '=', '\t']);
    let letters: String = before.chars().rev().take_while(char::is_ascii_alphabetic).collect();
    letters.chars().rev().collect::<String>().to_ascii_uppercase()
}

/// The unit right after a number.
fn unit(after: &str) -> Option<bool> {
    let after = after.trim_start();
    if after.starts_with('"') {
        return Some(true);
    }
    let word: String = after.chars().take_while(char::is_ascii_alphabetic).collect::<String>().to_ascii_lowercase();
    match word.as_str() {
        "mm" => Some(false),
        "in" | "inch" | "inches" => Some(true),
        _ => None,
    }
}

/// Whether a word before a number is a unit of the one before it, and no label.
fn is_unit(label: &str) -> bool {
    matches!(label, "MM" | "IN" | "INCH" | "INCHES")
}

impl Pattern {
    /// Learned from a line by pointing at a byte of the number in it; `places` after a point that is not written.
    ///
    /// # Errors
    /// [`Unlearned`].
    pub fn learned(line: &str, pointed_at: usize, places: u8) -> Result<Self, Unlearned> {
        let all = numbers(line);
        if all.is_empty() {
            return Err(Unlearned::NoNumber);
        }
        let nth = all.iter().position(|n| (n.at[0]..=n.at[1]).contains(&pointed_at)).ok_or(Unlearned::NoNumberThere)?;
        let alone = |label: &str| !label.is_empty() && !is_unit(label) && all.iter().filter(|n| n.label == label).count() == 1;
        let label = if alone(&all[nth].label) { all[nth].label.clone() } else { String::new() };
        Ok(Self { label, nth, of: all.len(), places: if all[nth].pointed { 0 } else { places.min(MOST_PLACES) } })
    }

    /// Places after the point of a number it found in a line, written or left out.
    #[must_use]
    pub fn places_of(&self, found: &Number, line: &str) -> usize {
        let written = line.get(found.at[0]..found.at[1]).and_then(|text| text.split_once(['.', ',']));
        written.map_or(usize::from(self.places), |(_, after)| after.len())
    }

    /// The number in a line like the one learned from; nothing where the line is another, or cut short.
    #[must_use]
    pub fn read(&self, line: &str) -> Option<Number> {
        let all = numbers(line);
        let found = if self.label.is_empty() {
            all.get(self.nth).filter(|_| all.len() == self.of)
        } else {
            let mut with = all.iter().filter(|n| n.label == self.label);
            with.next().filter(|_| with.next().is_none())
        }?;
        let scale = if found.pointed { 1.0 } else { 10_f64.powi(-i32::from(self.places)) };
        Some(Number { value: found.value * scale, ..found.clone() })
    }
}
