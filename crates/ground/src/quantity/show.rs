//! Showing numbers with the places that mean something, and no more.

use super::MM_PER_INCH;

/// Millimetres to the micrometre, as `18.249 mm`.
#[must_use]
pub fn mm_text(mm: f64) -> String {
    format!("{} mm", plain_text(mm, 3))
}

/// The same length in inches to a tenth of a thou, as `0.7185 in`.
#[must_use]
pub fn inch_text(mm: f64) -> String {
    format!("{} in", plain_text(mm / MM_PER_INCH, 4))
}

/// Degrees to a hundredth.
#[must_use]
pub fn angle_text(deg: f64) -> String {
    format!("{}°", plain_text(deg, 2))
}

/// A number with fixed places and no negative zero.
#[must_use]
pub fn plain_text(value: f64, places: usize) -> String {
    let text = format!("{value:.places$}");
    match text.strip_prefix('-') {
        Some(rest) if rest.chars().all(|c| matches!(c, '0' | '.')) => rest.to_owned(),
        Some(rest) => format!("−{rest}"),
        None => text,
    }
}

/// A number without the noughts nobody measured: `55`, `47.5`, `0.02`.
#[must_use]
pub fn without_noughts(number: &str) -> &str {
    if number.contains('.') { number.trim_end_matches('0').trim_end_matches('.') } else { number }
}

/// At most so many places, without noughts nobody measured.
#[must_use]
pub fn short_text(value: f64, places: usize) -> String {
    without_noughts(&plain_text(value, places)).to_owned()
}

/// Degrees to the tenth, without a nought nobody measured: `55`, `47.5`.
#[must_use]
pub fn degrees_text(deg: f64) -> String {
    short_text(deg, 1)
}
