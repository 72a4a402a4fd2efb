//! Showing numbers with the places that mean something, and no more.

/// To two figures; nought and less is nought.
#[must_use]
pub fn two_figures(value: f64) -> f64 {
    if value <= 0.0 {
        return 0.0;
    }
    let unit = 10_f64.powf(value.log10().floor() - 1.0);
    (value / unit).round() * unit
}

/// Half of the last place a length is shown with, mm: nothing is over a limit, in the way or tight by less.
pub const SHOWN_MM: f64 = 0.0005;
/// The same of a length told about, in tenths, mm: less is spoken of as none.
pub const ABOUT_MM: f64 = 0.05;

/// The beginning of a sentence: its first letter large.
#[must_use]
pub fn large_first(text: &str) -> String {
    let mut letters = text.chars();
    letters.next().into_iter().flat_map(char::to_uppercase).chain(letters).collect()
}

/// Up to the next of so many parts of one; what a float leaves over does not count.
#[must_use]
pub fn up_to(value: f64, parts: f64) -> f64 {
    (value * parts - 1e-6).ceil() / parts
}

/// A number with fixed places and no negative zero.
#[must_use]
pub fn plain_text(value: f64, places: usize) -> String {
    if let Some(text) = by_whole_numbers(value, places) {
        return text;
    }
    let text = format!("{value:.places$}");
    match text.strip_prefix('-') {
        Some(rest) if rest.chars().all(|c| matches!(c, '0' | '.')) => rest.to_owned(),
        Some(rest) => format!("−{rest}"),
        None => text,
    }
}

/// The same by whole numbers, which is several times as fast; nothing where the value is so large, so finely wanted or so near the middle of
/// two figures that only its every digit decides.
fn by_whole_numbers(value: f64, places: usize) -> Option<String> {
    const TENS: [f64; 7] = [1.0, 1e1, 1e2, 1e3, 1e4, 1e5, 1e6];
    let tens = *TENS.get(places)?;
    let scaled = value.abs() * tens;
    let whole = scaled.round();
    if scaled.is_nan() || scaled >= 1e12 || ((scaled - scaled.floor()) - 0.5).abs() < 1e-3 {
        return None;
    }
    #[allow(clippy::cast_possible_truncation, clippy::cast_sign_loss)] // under a million million
    let (whole, tens) = (whole as u64, tens as u64);
    let sign = if value < 0.0 && whole > 0 { "−" } else { "" };
    Some(if places == 0 { format!("{sign}{whole}") } else { format!("{sign}{}.{:0places$}", whole / tens, whole % tens) })
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

/// Inches as a rule shows them and a drill is marked, in sixty-fourths at the finest, whole inches joined to the part: `16 17/32`, `1-1/4`;
/// nothing where it is no such part.
#[must_use]
pub fn sixty_fourths(inches: f64, joint: &str) -> Option<String> {
    let parts = (inches * 64.0).round();
    if (inches * 64.0 - parts).abs() > 1e-6 || !(0.0..=1e6).contains(&parts) {
        return None;
    }
    #[allow(clippy::cast_possible_truncation, clippy::cast_sign_loss)] // bounded above
    let parts = parts as u32;
    let (whole, rest) = (parts / 64, parts % 64);
    if rest == 0 {
        return Some(whole.to_string());
    }
    let shift = rest.trailing_zeros().min(6);
    let part = format!("{}/{}", rest >> shift, 64_u32 >> shift);
    Some(if whole == 0 { part } else { format!("{whole}{joint}{part}") })
}

/// Degrees to the tenth, without a nought nobody measured: `55`, `47.5`.
#[must_use]
pub fn degrees_text(deg: f64) -> String {
    short_text(deg, 1)
}
