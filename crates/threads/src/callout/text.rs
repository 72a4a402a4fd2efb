//! Tidying what was typed, and taking off the words that may stand anywhere: hand, side, starts.

use crate::direction::Hand;
use crate::quantity::{Exact, Ratio, ratio_text, real, short_text};
use crate::system::Side;
use yoke_ground::says::Sentence;
use yoke_ground::sentence;

/// One kind of times sign, no quotes, a decimal comma made a point, single spaces.
pub(super) fn tidy(text: &str) -> String {
    let mut out = String::new();
    let chars: Vec<char> = text.trim().chars().collect();
    for (i, &c) in chars.iter().enumerate() {
        let digit_at = |j: Option<usize>| j.and_then(|j| chars.get(j)).is_some_and(char::is_ascii_digit);
        // Only after a figure and before one (or a lead's L or P) is an X a times sign; elsewhere it is
        // part of a word to be quoted back.
        let next = chars[i + 1..].iter().find(|c| **c != ' ');
        match c {
            '×' | '*' => out.push('x'),
            'X' if next.is_none_or(|c| is_number_char(*c) || matches!(c, 'L' | 'l' | 'P' | 'p')) => out.push('x'),
            '"' | '″' | '”' | '“' | '\'' | '°' => {}
            '–' | '—' | '−' => out.push('-'),
            ',' if (i == 0 || digit_at(i.checked_sub(1))) && digit_at(Some(i + 1)) => out.push('.'),
            ',' | ';' | '_' => out.push(' '),
            c => out.push(c),
        }
    }
    out.split_whitespace().collect::<Vec<_>>().join(" ").replace("# ", "#")
}

pub(super) const fn is_number_char(c: char) -> bool {
    c.is_ascii_digit() || c == '.'
}

/// The number a text begins with, as written, and the rest without leading spaces.
pub(super) fn leading_number(text: &str) -> (&str, &str) {
    let text = text.trim_start();
    let end = text.find(|c| !is_number_char(c)).unwrap_or(text.len());
    (&text[..end], text[end..].trim_start())
}

/// Takes `mark` off, wherever it stands as a word of its own; whether it did.
fn take_word(rest: &mut String, mark: &str) -> bool {
    // ASCII case only, so that places in the one text are places in the other.
    let upper = rest.to_ascii_uppercase();
    let Some(at) = upper.rfind(mark) else { return false };
    let apart = |c: Option<char>| c.is_none_or(|c| !c.is_ascii_alphabetic());
    if !apart(upper[..at].chars().next_back()) || !apart(upper[at + mark.len()..].chars().next()) {
        return false;
    }
    *rest = format!("{} {}", rest[..at].trim_end_matches([' ', '-']), rest[at + mark.len()..].trim_start_matches([' ', '-']))
        .trim()
        .trim_end_matches('-')
        .to_owned();
    true
}

/// Takes the hand off: `LH`, `L.H.`, `left-hand`, `RH` …
pub(super) fn take_hand(rest: &mut String) -> Option<Hand> {
    const WORDS: [(&str, Hand); 10] = [
        ("LEFT-HAND", Hand::Left),
        ("LEFT HAND", Hand::Left),
        ("LEFT", Hand::Left),
        ("L.H.", Hand::Left),
        ("LH", Hand::Left),
        ("RIGHT-HAND", Hand::Right),
        ("RIGHT HAND", Hand::Right),
        ("RIGHT", Hand::Right),
        ("R.H.", Hand::Right),
        ("RH", Hand::Right),
    ];
    WORDS.into_iter().find_map(|(word, hand)| take_word(rest, word).then_some(hand))
}

/// Takes the side off: `internal`, `nut`, `external`, `screw` …
pub(super) fn take_side(rest: &mut String) -> Option<Side> {
    const WORDS: [(&str, Side); 8] = [
        ("INTERNAL", Side::Internal),
        ("FEMALE", Side::Internal),
        ("NUT", Side::Internal),
        ("INT", Side::Internal),
        ("EXTERNAL", Side::External),
        ("SCREW", Side::External),
        ("MALE", Side::External),
        ("EXT", Side::External),
    ];
    WORDS.into_iter().find_map(|(word, side)| take_word(rest, word).then_some(side))
}

/// Takes the starts off: `2 start`, `3-starts`, `two start`, `double start`.
///
/// # Errors
/// A count that is not 1 to 12.
pub(super) fn take_starts(rest: &mut String) -> Result<Option<u8>, Sentence> {
    let upper = rest.to_ascii_uppercase();
    let Some(at) = upper.find("START") else { return Ok(None) };
    let before = upper[..at].trim_end_matches([' ', '-']);
    let from = before.rfind([' ', '-']).map_or(0, |i| i + 1);
    let word = &before[from..];
    let count = match word {
        "SINGLE" | "ONE" => Some(1),
        "DOUBLE" | "TWO" | "TWIN" => Some(2),
        "TRIPLE" | "THREE" => Some(3),
        "FOUR" | "QUADRUPLE" => Some(4),
        number => number.parse().ok().filter(|n| (1..=12).contains(n)),
    };
    let count = count.ok_or_else(|| sentence!("callout-starts-count", word = &word))?;
    let after = upper[at + 5..].strip_prefix('S').map_or(at + 5, |_| at + 6);
    *rest = format!("{} {}", rest[..from].trim_end_matches([' ', '-']), rest[after..].trim_start_matches([' ', '-'])).trim().to_owned();
    Ok(Some(count))
}

/// An exact number as short as it can be written.
pub(super) fn short(r: &Ratio) -> String {
    let text = short_text(real(r), 4);
    if Exact::parse(&text).is_some_and(|e| e.0 == *r) { text } else { ratio_text(r) }
}
