//! Callouts by the inch: Unified, Acme, Whitworth; and BA, pipe and square, which share their ways.

use super::Found;
use super::text::{is_number_char, leading_number, short};
use crate::class::Class;
use crate::quantity::{Ratio, decimal, pitch_of_tpi};
use crate::series::{self, Series, Standard, find, numbered, of_series, size_in_inches};
use crate::system::System;
use num_traits::Zero;
use yoke_ground::says::Sentence;
use yoke_ground::sentence;

/// A size and a count of threads, as written and exact.
struct Sized<'a> {
    size: String,
    major: Ratio,
    tpi: Option<Ratio>,
    tail: &'a str,
}

fn inch(inches: Ratio) -> Ratio {
    inches * Ratio::new(127, 5)
}

/// Splits `1-1/4-5 …` into its size and the rest.
fn split_size(text: &str) -> Result<(String, &str), Sentence> {
    let body = text.trim();
    let mark = usize::from(body.starts_with('#'));
    let run = |from: usize| from + body[from..].find(|c| !is_number_char(c)).unwrap_or(body.len() - from);
    let mut end = run(mark);
    if end == mark {
        return Err(sentence!("callout-no-size-first", body = &body));
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

/// Size, then threads per inch if they are written.
fn sized(text: &str) -> Result<Sized<'_>, Sentence> {
    let (size, tail) = split_size(text)?;
    let major = inch(size_in_inches(&size).filter(|s| !s.is_zero()).ok_or_else(|| sentence!("callout-not-a-size", size = &size))?);
    let (digits, rest) = leading_number(tail.trim_start_matches([' ', '-', 'x']));
    let tpi = decimal(digits).filter(|n| !n.is_zero());
    if let Some(n) = tpi.filter(|n| *n > Ratio::from_integer(400)) {
        return Err(sentence!("callout-tpi-past", tpi = short(&n)));
    }
    let rest = rest.trim_start_matches([' ', '-', '.']);
    let rest =
        if rest.len() >= 3 && rest.is_char_boundary(3) && rest[..3].eq_ignore_ascii_case("TPI") { rest[3..].trim_start_matches([' ', '-']) } else { rest };
    Ok(Sized { size, major, tpi, tail: rest })
}

/// A bare count where a family needs one, said the same way for each.
fn wanted(size: &str, tpi: Option<Ratio>, example: &str) -> Result<Ratio, Sentence> {
    tpi.ok_or_else(|| sentence!("callout-no-tpi", size = &size, example = &example))
}

/// The words left over, upper case.
fn words(tail: &str) -> Vec<String> {
    tail.split([' ', '-']).filter(|w| !w.is_empty()).map(str::to_ascii_uppercase).collect()
}

/// The one class among the words, if there is one.
fn class_of(words: &[String], system: System) -> Result<Option<Class>, Sentence> {
    match words {
        [] => Ok(None),
        [one] => system.family().read_class(one).map(Some),
        [_, second, ..] => Err(sentence!("callout-more-than", second = &second, family = system.family().word())),
    }
}

pub(super) fn unified(text: &str) -> Result<Found, Sentence> {
    let Sized { size: size_text, mut major, tpi, tail } = sized(text)?;
    let written_times = split_size(text).is_ok_and(|(_, rest)| rest.trim_start().starts_with('x'));
    let tpi = tpi.ok_or_else(|| sentence!("callout-no-tpi-metric", size_text = &size_text))?;
    let pitch = pitch_of_tpi(&tpi);
    let of_size = |major: &Ratio| find(System::Unified, major, &pitch);
    // 10-32 is number ten in the trade, not ten inches: a bare small number that makes a standard
    // numbered size with this count is read so.
    let bare_number = size_text.parse().ok().and_then(numbered).map(inch).filter(|m| of_size(m).is_some());
    let mut size = size_text.clone();
    if let Some(number) = bare_number {
        (major, size) = (number, format!("#{size_text}"));
    } else if written_times && tail.is_empty() && size_text.chars().all(is_number_char) {
        // 20x2.5 with nothing to say which: metric if it makes a metric thread.
        let as_metric = decimal(&size_text).is_some_and(|d| tpi * Ratio::from_integer(3) < d && tpi <= Ratio::from_integer(8));
        if as_metric {
            return Err(sentence!("callout-mm-or-inches", size_text = &size_text, n = short(&tpi)));
        }
    }
    let (written, class) = series_and_class(tail)?;
    let standard = of_size(&major);
    let series = name_series(standard, &tpi, written.as_deref(), &size)?;
    let size = standard.filter(|s| s.series.word() == series).map_or_else(|| format!("{size}-{} {series}", short(&tpi)), |s| s.name.clone());
    Ok(Found { system: System::Unified, size, tpi: Some(tpi), class, starts: None, series, major, pitch })
}

/// The series word and the class, in either order of neglect.
fn series_and_class(tail: &str) -> Result<(Option<String>, Option<Class>), Sentence> {
    let (mut series, mut class) = (None, None);
    for part in tail.split([' ', '-']).filter(|p| !p.is_empty()) {
        let upper = part.to_ascii_uppercase();
        let (word, digits) = upper.find(|c: char| c.is_ascii_digit()).map_or((upper.as_str(), ""), |i| upper.split_at(i));
        match word {
            "UNC" | "UNF" | "UNEF" | "UN" | "UNS" if series.is_none() => series = Some(word.to_owned()),
            "NC" | "NF" | "NEF" | "N" | "NS" if series.is_none() => series = Some(format!("U{word}")),
            "UNR" | "UNRC" | "UNRF" | "UNREF" if series.is_none() => series = Some(word.replacen("UNR", "UN", 1)),
            "" => {}
            _ => return Err(sentence!("callout-neither", part = &part)),
        }
        if !digits.is_empty() {
            if class.is_some() {
                return Err(sentence!("callout-second-class", part = &part));
            }
            class = Some(System::Unified.family().read_class(digits)?);
        }
    }
    Ok((series, class))
}

/// The series a size and count belong to; a written series that contradicts them is refused.
fn name_series(standard: Option<&Standard>, tpi: &Ratio, written: Option<&str>, size: &str) -> Result<String, Sentence> {
    let constant = [4, 6, 8, 12, 16, 20, 28, 32].iter().any(|n| *tpi == Ratio::from_integer(*n));
    let standard = standard.map(|s| s.series.word());
    let usual = standard.map_or_else(|| if constant { "UN".to_owned() } else { "UNS".to_owned() }, str::to_owned);
    match written {
        None => Ok(usual),
        Some(named @ ("UN" | "UNS")) => Ok(named.to_owned()),
        Some(named) if standard == Some(named) => Ok(named.to_owned()),
        Some(named) => {
            let right = series::standards()
                .iter()
                .find(|s| s.series.word() == named && size_in_inches(size).is_some_and(|i| inch(i) == s.major))
                .map(|s| s.name.as_str());
            Err(match right {
                None => sentence!("callout-not-series", size = size, tpi = short(tpi), series = named),
                Some(right) => sentence!("callout-other-series", size = size, tpi = short(tpi), series = named, right = right),
            })
        }
    }
}

/// `text` without the words in `marks`, wherever they stand, and whether each was there.
fn without<const N: usize>(text: &str, marks: [&str; N]) -> (String, [bool; N]) {
    let mut seen = [false; N];
    let mut out = String::new();
    let mut word = String::new();
    let mut end = |word: &mut String, out: &mut String| {
        if let Some(i) = marks.iter().position(|m| word.eq_ignore_ascii_case(m)) {
            seen[i] = true;
            out.push(' ');
        } else {
            out.push_str(word);
        }
        word.clear();
    };
    for c in text.chars() {
        if c.is_ascii_alphabetic() {
            word.push(c);
        } else {
            end(&mut word, &mut out);
            out.push(c);
        }
    }
    end(&mut word, &mut out);
    (trimmed(&out).to_owned(), seen)
}

/// Without what a word taken out left at either end; a point before a figure belongs to it.
fn trimmed(text: &str) -> &str {
    let mut body = text.trim_end_matches([' ', '-', '.']);
    while let Some(rest) = body.strip_prefix([' ', '-', '.']) {
        if body.starts_with('.') && rest.starts_with(|c: char| c.is_ascii_digit()) {
            break;
        }
        body = rest;
    }
    body
}

/// A standard thread's name, else size, count and series written out.
fn named(system: System, size: &str, major: &Ratio, tpi: &Ratio, series: &str) -> String {
    find(system, major, &pitch_of_tpi(tpi)).map_or_else(|| format!("{size}-{} {series}", short(tpi)), |s| s.name.clone())
}

pub(super) fn acme(text: &str) -> Result<Found, Sentence> {
    let (text, [_, stub]) = without(text, ["ACME", "STUB"]);
    let system = if stub { System::StubAcme } else { System::Acme };
    let Sized { size, major, tpi, tail } = sized(&text)?;
    let series = if stub { Series::StubAcme } else { Series::Acme };
    // With no count the standard one is meant, if the size has one.
    let tpi = match tpi.or_else(|| of_series(series).find(|s| s.major == major).and_then(|s| s.tpi)) {
        Some(tpi) => tpi,
        None => wanted(&size, None, "5 Acme")?,
    };
    let words: Vec<String> = words(tail).into_iter().filter(|w| w != "GP").collect();
    Ok(Found {
        size: named(system, &size, &major, &tpi, series.word()),
        class: class_of(&words, system)?,
        pitch: pitch_of_tpi(&tpi),
        tpi: Some(tpi),
        starts: None,
        series: series.word().into(),
        system,
        major,
    })
}

pub(super) fn whitworth(text: &str) -> Result<Found, Sentence> {
    let (text, [bsw, bsf, _, _, engineer]) = without(text, ["BSW", "BSF", "WHIT", "WHITWORTH", "ME"]);
    let Sized { size, major, tpi, tail } = sized(&text)?;
    let listed = |series: Series| of_series(series).find(|s| s.major == major);
    let asked = if bsf { Series::Bsf } else { Series::Bsw };
    let standard = listed(asked);
    let tpi = match (tpi, standard) {
        (Some(n), Some(s)) if (bsw || bsf) && s.tpi != Some(n) => {
            return Err(sentence!("callout-whit-count", size = &size, tpi = short(&n), series = asked.word(), standard = &s.name, pitch = s.pitch_text()));
        }
        (Some(n), _) => n,
        (None, Some(s)) if !engineer => s.tpi.unwrap_or_else(Ratio::zero),
        (None, _) if bsw || bsf => return Err(sentence!("callout-no-whit-size", series = asked.word(), size = &size)),
        (None, _) => wanted(&size, None, "40 ME")?,
    };
    let pitch = pitch_of_tpi(&tpi);
    let series = find(System::Whitworth, &major, &pitch).filter(|_| !engineer).map_or(if engineer { "ME" } else { "Whit" }, |s| s.series.word());
    let words = words(tail);
    Ok(Found {
        size: if engineer { format!("{size}-{} ME", short(&tpi)) } else { named(System::Whitworth, &size, &major, &tpi, "Whit") },
        class: class_of(&words, System::Whitworth)?,
        tpi: Some(tpi),
        starts: None,
        series: series.into(),
        system: System::Whitworth,
        major,
        pitch,
    })
}

pub(super) fn british_association(text: &str) -> Result<Found, Sentence> {
    let (rest, _) = without(text, ["BA", "NO"]);
    let number = rest.trim_matches(['#', '.', ' ', '-']);
    let (digits, tail) = leading_number(number);
    let one = digits.parse().ok().and_then(series::british_association);
    let one = one.ok_or_else(|| sentence!("callout-not-ba", number = &number))?;
    Ok(Found {
        class: class_of(&words(tail), System::Ba)?,
        size: one.name.clone(),
        system: System::Ba,
        major: one.major,
        pitch: one.pitch,
        tpi: None,
        starts: None,
        series: "BA".into(),
    })
}

pub(super) fn pipe(text: &str) -> Result<Found, Sentence> {
    let (rest, _) = without(text, ["G", "BSP", "BSPP"]);
    let (size, tail) = split_size(&rest).map_err(|_| sentence!("callout-no-pipe-size"))?;
    let inches = size_in_inches(&size);
    let one = of_series(Series::PipeG).find(|s| inches.is_some() && size_in_inches(&s.name[1..]) == inches);
    let one = one.ok_or_else(|| sentence!("callout-not-pipe", size = &size))?;
    let mut words = words(tail);
    if let Some(first) = words.first().filter(|w| w.starts_with(|c: char| c.is_ascii_digit())) {
        let count = decimal(first);
        if count.is_none() || count != one.tpi {
            return Err(sentence!("callout-pipe-count", name = &one.name, pitch = one.pitch_text(), first = &first));
        }
        words.remove(0);
    }
    Ok(Found {
        class: class_of(&words, System::PipeG)?,
        size: one.name.clone(),
        system: System::PipeG,
        major: one.major,
        pitch: one.pitch,
        tpi: one.tpi,
        starts: None,
        series: "G".into(),
    })
}

/// `1-4 Square` by the inch, `Sq 30x6` in millimetres.
pub(super) fn square(text: &str) -> Result<Found, Sentence> {
    let (rest, _) = without(text, ["SQ", "SQUARE"]);
    let (digits, tail) = leading_number(&rest);
    if let (Some(major), Some(after)) = (decimal(digits).filter(|d| !d.is_zero()), tail.strip_prefix('x')) {
        let (pitch, tail) = leading_number(after);
        let pitch = decimal(pitch).filter(|p| !p.is_zero()).ok_or_else(|| sentence!("callout-square-pitch", text = after.trim(), size = short(&major)))?;
        return Ok(Found {
            class: class_of(&words(tail), System::Square)?,
            size: format!("Sq {}×{}", short(&major), short(&pitch)),
            system: System::Square,
            tpi: None,
            starts: None,
            series: "square".into(),
            major,
            pitch,
        });
    }
    counted(&rest, [], System::Square, "Square")
}

/// A size and its threads per inch, of a family that has no series: its marks stand anywhere, and it is written with `word`.
pub(super) fn counted<const N: usize>(text: &str, marks: [&str; N], system: System, word: &str) -> Result<Found, Sentence> {
    let (rest, _) = without(text, marks);
    let Sized { size, major, tpi, tail } = sized(&rest)?;
    let tpi = wanted(&size, tpi, &format!("4 {word}"))?;
    Ok(Found {
        class: class_of(&words(tail), system)?,
        size: format!("{size}-{} {word}", short(&tpi)),
        system,
        pitch: pitch_of_tpi(&tpi),
        tpi: Some(tpi),
        starts: None,
        series: word.to_ascii_lowercase(),
        major,
    })
}
