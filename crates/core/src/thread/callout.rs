//! Reading callouts the way people type them.

use super::spec::{Class, Hand, Side, System, ThreadSpec};
use super::tables;
use crate::quantity::{Exact, plain_text};
use crate::quantity::{Ratio, decimal, pitch_of_tpi, ratio_text, real};
use num_traits::Zero;

/// Why a callout was not read.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct CalloutFault {
    /// What is missing or wrong, naming the part.
    pub missing: String,
    /// The nearest callouts that do read.
    pub near: Vec<String>,
}

/// Reads a callout.
///
/// # Errors
/// [`CalloutFault`] names the offending part and offers the nearest readable callouts.
pub fn read(text: &str) -> Result<ThreadSpec, CalloutFault> {
    // Nothing anyone types is longer; this bounds the work of finding near ones.
    let short: String = text.chars().take(64).collect();
    parse(&short).map_err(|missing| CalloutFault { near: near(&short), missing })
}

/// Upper case, one kind of times sign, no quotes, a decimal comma made a point, single spaces.
fn tidy(text: &str) -> String {
    let mut out = String::new();
    let chars: Vec<char> = text.trim().chars().collect();
    for (i, &c) in chars.iter().enumerate() {
        let digit_at = |j: Option<usize>| j.and_then(|j| chars.get(j)).is_some_and(char::is_ascii_digit);
        match c {
            '×' | '*' => out.push('x'),
            // Only between figures is an X a times sign; elsewhere it is part of a word to be quoted back.
            'X' if chars[i + 1..].iter().find(|c| **c != ' ').is_none_or(|c| is_number_char(*c)) => out.push('x'),
            '"' | '″' | '”' | '“' | '\'' => {}
            '–' | '—' | '−' => out.push('-'),
            ',' if digit_at(i.checked_sub(1)) && digit_at(Some(i + 1)) => out.push('.'),
            ',' | ';' => out.push(' '),
            c => out.push(c),
        }
    }
    out.split_whitespace().collect::<Vec<_>>().join(" ")
}

/// Families that are known by name but not read here, with what to say of each.
fn known_but_not_read(upper: &str) -> Option<String> {
    let starts = |s: &str| upper.starts_with(s);
    let word = |w: &str| upper.split([' ', '-']).any(|part| part == w);
    let tapered = |name: &str| Some(format!("{name} is a tapered thread; Yoke Turn cuts parallel threads only"));
    if upper.contains("NPT") {
        return tapered("NPT");
    }
    if starts("RC") || (starts("R") && upper[1..].trim_start().starts_with(|c: char| c.is_ascii_digit())) {
        return tapered("Pipe R or Rc");
    }
    let family = if word("ACME") {
        "Acme"
    } else if starts("TR") {
        "trapezoidal (Tr)"
    } else if word("BSW") || word("BSF") {
        "Whitworth"
    } else if upper.ends_with("BA") {
        "BA"
    } else if starts("G") {
        "parallel pipe (G)"
    } else {
        return None;
    };
    Some(format!("the {family} form is not read yet; ISO metric and Unified are"))
}

fn parse(text: &str) -> Result<ThreadSpec, String> {
    let tidied = tidy(text);
    if tidied.is_empty() {
        return Err("no callout yet; type one such as M20x2.5-6g or 7/8-9 UNC-2A".into());
    }
    let upper = tidied.to_ascii_uppercase();
    if let Some(why) = known_but_not_read(&upper) {
        return Err(why);
    }
    let (body, hand) = take_hand(&tidied);
    match body.strip_prefix(['M', 'm']) {
        Some(rest) => metric(rest, hand),
        None => unified(&body, hand),
    }
}

/// Takes `LH` or `RH` off, wherever it stands as a word of its own.
fn take_hand(text: &str) -> (String, Option<Hand>) {
    let mut hand = None;
    let mut rest = text.to_owned();
    for (mark, meaning) in [("LH", Hand::Left), ("RH", Hand::Right)] {
        let upper = rest.to_ascii_uppercase();
        if let Some(at) = upper.rfind(mark) {
            let before = upper[..at].chars().next_back();
            let after = upper[at + 2..].chars().next();
            let apart = |c: Option<char>| c.is_none_or(|c| !c.is_ascii_alphabetic());
            if apart(before) && apart(after) {
                rest = format!("{} {}", rest[..at].trim_end_matches([' ', '-']), &rest[at + 2..]).trim().to_owned();
                hand = Some(meaning);
            }
        }
    }
    (rest, hand)
}

fn is_number_char(c: char) -> bool {
    c.is_ascii_digit() || c == '.'
}

fn metric(rest: &str, hand: Option<Hand>) -> Result<ThreadSpec, String> {
    let rest = rest.trim_start();
    let end = rest.find(|c| !is_number_char(c)).unwrap_or(rest.len());
    let major = decimal(&rest[..end]).filter(|d| !d.is_zero()).ok_or_else(|| "no diameter after the M; write it as in M20 or M20x2.5".to_owned())?;
    let mut tail = rest[end..].trim_start();
    let mut pitch = None;
    if let Some(after) = tail.strip_prefix('x') {
        let after = after.trim_start();
        let end = after.find(|c| !is_number_char(c)).unwrap_or(after.len());
        pitch = Some(
            decimal(&after[..end])
                .filter(|p| !p.is_zero())
                .ok_or_else(|| format!("“{}” after × is not a pitch; write it as in M{}x1.5", after.trim(), plain_text(real(&major), 0)))?,
        );
        tail = after[end..].trim_start();
    }
    let coarse = tables::coarse_pitch(&major);
    let pitch = pitch.or(coarse).ok_or_else(|| format!("M{} has no standard coarse pitch; give the pitch, as in M{}x1.5", short(&major), short(&major)))?;
    if !tables::in_ranges(&major) {
        return Err(format!("M{} is outside the ISO 965-1 limits (over 0.99 to 355 mm)", short(&major)));
    }
    check_proportion(&major, &pitch)?;
    let tail = tail.trim_start_matches(['-', ' ']).trim();
    let class = if tail.is_empty() { None } else { Some(Class::read(&tail.replace([' ', '/'], ""), System::IsoMetric)?) };
    let side = class.map_or(Side::External, Class::side);
    Ok(ThreadSpec {
        system: System::IsoMetric,
        size: format!("M{}×{}", short(&major), short(&pitch)),
        series: if coarse == Some(pitch) { "coarse" } else { "fine or special" }.into(),
        class: class.unwrap_or_else(|| Class::usual(System::IsoMetric, side, real(&major))),
        class_given: class.is_some(),
        hand: hand.unwrap_or(Hand::Right),
        hand_given: hand.is_some(),
        tpi: None,
        starts: 1,
        major,
        pitch,
        side,
    })
}

/// A thread deeper than its own radius, or a pitch outside 0.05-100 mm, is a slip of the hand.
pub(crate) fn check_proportion(major: &Ratio, pitch: &Ratio) -> Result<(), String> {
    if *pitch < Ratio::new(1, 20) || *pitch > Ratio::from_integer(100) {
        return Err(format!("a pitch of {} mm is outside 0.05 to 100 mm", plain_text(real(pitch), 4)));
    }
    if *pitch * Ratio::new(13, 10) >= *major {
        return Err(format!(
            "a pitch of {} mm is too coarse for a diameter of {} mm; check which number is which",
            plain_text(real(pitch), 3),
            plain_text(real(major), 3)
        ));
    }
    Ok(())
}

/// Inches of a size as written: `#10`, `1-1/4`, `.875`; numbered sizes are 0.060 + 0.013 n.
pub(crate) fn size_in_inches(size: &str) -> Option<Ratio> {
    match size.strip_prefix('#') {
        Some(n) => numbered(n.trim().parse().ok()?),
        None => crate::quantity::parse_length(&format!("{size} in"), crate::quantity::LengthUnit::In).ok().map(|l| l.mm / Ratio::new(127, 5)),
    }
}

fn numbered(n: u8) -> Option<Ratio> {
    (n <= 12).then(|| Ratio::new(60 + 13 * i128::from(n), 1000))
}

fn unified(text: &str, hand: Option<Hand>) -> Result<ThreadSpec, String> {
    let (size_text, tail) = split_size(text)?;
    let tail = tail.trim_start_matches([' ', '-', 'x']);
    let end = tail.find(|c| !is_number_char(c)).unwrap_or(tail.len());
    let tpi = decimal(&tail[..end])
        .filter(|n| !n.is_zero())
        .ok_or_else(|| format!("no threads per inch after “{size_text}”; write it as in {size_text}-10, or put M in front for metric"))?;
    if tpi > Ratio::from_integer(400) {
        return Err(format!("{} threads per inch is past 400; check the callout", short(&tpi)));
    }
    let pitch = pitch_of_tpi(&tpi);
    let inch = |mm: Ratio| mm * Ratio::new(127, 5);
    // 10-32 is number ten in the trade, not ten inches: a bare small number that makes a standard
    // numbered size with this count is read so.
    let bare_number = size_text.parse().ok().and_then(numbered);
    let found = |major: Ratio| tables::UNIFIED.iter().find(|s| s.major == major && s.pitch == pitch);
    let (size_text, major) = match bare_number.map(inch).filter(|m| found(*m).is_some()) {
        Some(major) => (format!("#{size_text}"), major),
        None => {
            let size = size_in_inches(&size_text).filter(|s| !s.is_zero());
            (size_text.clone(), inch(size.ok_or_else(|| format!("“{size_text}” is not a size; write #10, 3/4, 1-1/4 or .875"))?))
        }
    };
    if real(&major) > 355.0 {
        return Err(format!("{size_text} in is past 355 mm; check the callout"));
    }
    check_proportion(&major, &pitch)?;
    let (written, class) = series_and_class(tail[end..].trim_start_matches([' ', '-', '.']))?;
    let standard = found(major).map(|s| s.series);
    let series = name_series(standard, &tpi, written.as_deref(), &size_text)?;
    let side = class.map_or(Side::External, Class::side);
    let size = found(major).map_or_else(
        || format!("{size_text}-{} {series}", short(&tpi)),
        |s| if standard == Some(series.as_str()) { s.name.clone() } else { format!("{size_text}-{} {series}", short(&tpi)) },
    );
    Ok(ThreadSpec {
        system: System::Unified,
        size,
        class: class.unwrap_or_else(|| Class::usual(System::Unified, side, real(&major))),
        class_given: class.is_some(),
        hand: hand.unwrap_or(Hand::Right),
        hand_given: hand.is_some(),
        tpi: Some(tpi),
        starts: 1,
        series,
        major,
        pitch,
        side,
    })
}

/// Splits `1-1/4-5 …` into its size and the rest.
fn split_size(text: &str) -> Result<(String, &str), String> {
    let body = text.trim();
    let mark = usize::from(body.starts_with('#'));
    let run = |from: usize| from + body[from..].find(|c| !is_number_char(c)).unwrap_or(body.len() - from);
    let mut end = run(mark);
    if end == mark {
        return Err(format!("“{body}” does not begin with a size; write M20, 3/4-10, #10-32 or .875-9"));
    }
    // 1-1/4 and 1 1/4: a whole number, then a fraction.
    let after = body[end..].trim_start_matches([' ', '-']);
    let from = body.len() - after.len();
    let over = run(from);
    if over > from && body[over..].starts_with('/') && from > end {
        end = run(over + 1);
    } else if body[end..].starts_with('/') {
        end = run(end + 1);
    }
    Ok((body[..end].replace(' ', "-"), &body[end..]))
}

/// The series word and the class, in either order of neglect.
fn series_and_class(tail: &str) -> Result<(Option<String>, Option<Class>), String> {
    let (mut series, mut class) = (None, None);
    for part in tail.split([' ', '-']).filter(|p| !p.is_empty()) {
        let upper = part.to_ascii_uppercase();
        let (word, digits) = upper.find(|c: char| c.is_ascii_digit()).map_or((upper.as_str(), ""), |i| upper.split_at(i));
        match word {
            "UNC" | "UNF" | "UNEF" | "UN" | "UNS" if series.is_none() => series = Some(word.to_owned()),
            "NC" | "NF" | "NEF" | "N" | "NS" if series.is_none() => series = Some(format!("U{word}")),
            "UNR" | "UNRC" | "UNRF" | "UNREF" if series.is_none() => series = Some(word.replacen("UNR", "UN", 1)),
            "" => {}
            "TPI" => continue,
            _ => return Err(format!("“{part}” is neither a series (UNC, UNF, UNEF, UN, UNS) nor a class (2A, 2B …)")),
        }
        if !digits.is_empty() {
            if class.is_some() {
                return Err(format!("“{part}” is a second class; write one, such as 2A"));
            }
            class = Some(Class::read(digits, System::Unified)?);
        }
    }
    Ok((series, class))
}

/// The series a size and count belong to; a written series that contradicts them is refused.
fn name_series(standard: Option<&str>, tpi: &Ratio, written: Option<&str>, size: &str) -> Result<String, String> {
    let constant = [4, 6, 8, 12, 16, 20, 28, 32].iter().any(|n| *tpi == Ratio::from_integer(*n));
    let usual = standard.map_or_else(|| if constant { "UN".to_owned() } else { "UNS".to_owned() }, str::to_owned);
    match written {
        None => Ok(usual),
        Some(named @ ("UN" | "UNS")) => Ok(named.to_owned()),
        Some(named) if standard == Some(named) => Ok(named.to_owned()),
        Some(named) => {
            let right = tables::UNIFIED
                .iter()
                .find(|s| s.series == named && size_in_inches(size).is_some_and(|i| i * Ratio::new(127, 5) == s.major))
                .map_or_else(|| format!("{named} has no such size"), |s| format!("{named} of that size is {}", s.name));
            Err(format!("{size}-{} is not {named}; {right}", short(tpi)))
        }
    }
}

/// An exact number as short as it can be written.
fn short(r: &Ratio) -> String {
    let text = plain_text(real(r), 4);
    let text = text.trim_end_matches('0').trim_end_matches('.');
    if Exact::parse(text).is_some_and(|e| e.0 == *r) { text.to_owned() } else { ratio_text(r) }
}

/// Up to four standard callouts nearest to what was typed.
fn near(text: &str) -> Vec<String> {
    let plain = |s: &str| s.to_ascii_uppercase().replace([' ', '-', '×'], "");
    let typed = plain(&tidy(text));
    let mut ranked: Vec<(f64, String)> = tables::ISO_COARSE
        .iter()
        .map(|s| s.name.clone())
        .chain(tables::UNIFIED.iter().map(|s| s.name.clone()))
        .map(|name| (strsim::jaro_winkler(&typed, &plain(&name)), name))
        .collect();
    ranked.sort_by(|a, b| b.0.total_cmp(&a.0).then_with(|| a.1.cmp(&b.1)));
    ranked.into_iter().take(4).map(|(_, name)| name).collect()
}

#[cfg(test)]
mod tests {
    use super::*;
    use proptest::prelude::*;

    #[test]
    fn callouts_people_type() {
        let cases = [
            ("M20x2.5-6g", "M20×2.5-6g", 20.0, 2.5),
            ("m24", "", 24.0, 3.0),
            ("M24x2", "M24×2-6g", 24.0, 2.0),
            ("M36×1,5-6H LH", "M36×1.5-6H LH", 36.0, 1.5),
            ("M 20 * 1.5 5g6g", "M20×1.5-5g6g", 20.0, 1.5),
            ("3/4-10", "3/4-10 UNC-2A", 19.05, 2.54),
            ("3/4-10 UNC-2A LH", "3/4-10 UNC-2A LH", 19.05, 2.54),
            (".875-9", "7/8-9 UNC-2A", 22.225, 25.4 / 9.0),
            ("7/8\"-9 unc 2a", "7/8-9 UNC-2A", 22.225, 25.4 / 9.0),
            ("#10-32", "#10-32 UNF-2A", 4.826, 25.4 / 32.0),
            ("10-32 unf-2b", "#10-32 UNF-2B", 4.826, 25.4 / 32.0),
            ("1.250-16 UN", "1.250-16 UN-2A", 31.75, 25.4 / 16.0),
            ("1-1/4 - 7", "1-1/4-7 UNC-2A", 31.75, 25.4 / 7.0),
            ("1 1/4-12 UNF-3A", "1-1/4-12 UNF-3A", 31.75, 25.4 / 12.0),
            ("1-8", "1-8 UNC-2A", 25.4, 3.175),
            ("LH 1/2-20UNF-2A", "1/2-20 UNF-2A LH", 12.7, 1.27),
        ];
        for (text, name, major, pitch) in cases {
            let spec = read(text).unwrap_or_else(|e| panic!("{text}: {e:?}"));
            assert!((real(&spec.major) - major).abs() < 1e-9 && (real(&spec.pitch) - pitch).abs() < 1e-9, "{text}");
            if !name.is_empty() {
                assert_eq!(spec.name(), name, "{text}");
            }
        }
    }

    #[test]
    fn a_name_reads_back_as_itself() {
        for standard in tables::ISO_COARSE.iter().chain(tables::UNIFIED.iter()) {
            let spec = read(&standard.name).expect(&standard.name);
            assert_eq!((spec.major, spec.pitch), (standard.major, standard.pitch), "{}", standard.name);
            let again = read(&spec.name()).expect("its own name reads");
            assert_eq!(again.name(), spec.name());
        }
    }

    #[test]
    fn what_is_wrong_is_named() {
        let cases = [
            ("M20x2.5-9z", "9z"),
            ("M20x2.5-5h", "5h6h"),
            ("M20x", "not a pitch"),
            ("M21.5", "no standard coarse pitch"),
            ("M500x4", "outside"),
            ("3/4", "threads per inch"),
            ("3/4-10 UNF", "3/4-16 UNF"),
            ("3/4-10 UNC-4A", "4A"),
            ("1-1/4-5 Acme", "Acme"),
            ("1/2-14 NPT", "tapered"),
            ("Rc1/2", "tapered"),
            ("R 3/4", "tapered"),
            ("Tr28x5", "trapezoidal"),
            ("G1-1/4", "pipe"),
            ("2BA", "BA"),
            ("hello", "begin with a size"),
            ("", "no callout"),
            ("M3x5", "too coarse"),
        ];
        for (text, part) in cases {
            let fault = read(text).expect_err(text);
            assert!(fault.missing.contains(part), "{text}: {}", fault.missing);
        }
        assert!(read("3/4-1O UNC").expect_err("letter O").near.iter().any(|n| n == "3/4-10 UNC"));
    }

    proptest! {
        #[test]
        fn no_text_panics(text in "\\PC{0,24}", odd in "[Mm#RrGgTt]?[0-9./, xX×*-]{0,12}[A-Za-z0-9 -]{0,8}") {
            let _ = read(&text);
            let _ = read(&odd);
        }
    }
}
