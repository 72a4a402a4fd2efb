//! Metric callouts: `M20x2.5-6g`, `M16xPh3P1.5`, `Tr40x14(P7)-7e`.

use super::Found;
use super::text::{leading_number, short};
use crate::class::Class;
use crate::quantity::{Ratio, decimal, real};
use crate::series::{Series, coarse_pitch, of_series};
use crate::system::System;
use crate::tables;
use num_traits::Zero;

/// A pitch after the times sign, or a lead with its pitch: the pitch, the starts if a lead was given,
/// and the rest.
fn pitch_part<'a>(after: &'a str, example: &str) -> Result<(Ratio, Option<u8>, &'a str), String> {
    let wrong = |what: &str| format!("“{}” after × is not a {what}; write it as in {example}", after.trim());
    let number = |text: &str| decimal(text).filter(|p| !p.is_zero());
    let bare = after.trim_start();
    let led = ["Ph", "PH", "ph", "L", "l"].iter().find_map(|mark| bare.strip_prefix(mark));
    let (digits, rest) = leading_number(led.unwrap_or(bare));
    let first = number(digits).ok_or_else(|| wrong("pitch"))?;
    let inner = rest.trim_start_matches(['(', ' ', '-']);
    let Some(p) = inner.strip_prefix(['P', 'p']) else {
        return if led.is_some() { Err(wrong("lead with its pitch, such as Ph3P1.5")) } else { Ok((first, None, rest)) };
    };
    let (digits, rest) = leading_number(p);
    let pitch = number(digits).ok_or_else(|| wrong("lead with its pitch, such as 14(P7)"))?;
    let starts = first / pitch;
    match u8::try_from(*starts.numer()) {
        Ok(n @ 1..=12) if starts.is_integer() => Ok((pitch, Some(n), rest.trim_start_matches(')').trim_start())),
        _ => Err(format!("a lead of {} is not 1 to 12 whole pitches of {}", short(&first), short(&pitch))),
    }
}

/// A class at the end, if there is one.
fn class_part(tail: &str, system: System) -> Result<Option<Class>, String> {
    let tail = tail.trim_matches([' ', '-']);
    if tail.is_empty() { Ok(None) } else { system.family().read_class(&tail.replace([' ', '/'], "")).map(Some) }
}

/// A size as it is written, its lead with it when there are several starts.
fn size(prefix: &str, major: &Ratio, pitch: &Ratio, starts: Option<u8>) -> String {
    match starts {
        Some(n) if n > 1 => {
            let lead = short(&(*pitch * Ratio::from_integer(i128::from(n))));
            if prefix == "M" { format!("M{}×Ph{lead}P{}", short(major), short(pitch)) } else { format!("{prefix}{}×{lead}(P{})", short(major), short(pitch)) }
        }
        _ => format!("{prefix}{}×{}", short(major), short(pitch)),
    }
}

pub(super) fn metric(text: &str) -> Result<Found, String> {
    let (digits, tail) = leading_number(&text[1..]);
    let major = decimal(digits).filter(|d| !d.is_zero()).ok_or_else(|| "no diameter after the M; write it as in M20 or M20x2.5".to_owned())?;
    let coarse = coarse_pitch(&major);
    let (pitch, starts, tail) = match tail.strip_prefix('x') {
        Some(after) => pitch_part(after, &format!("M{}x1.5", short(&major)))?,
        None => {
            let name = short(&major);
            (coarse.ok_or_else(|| format!("M{name} has no standard coarse pitch; give the pitch, as in M{name}x1.5"))?, None, tail)
        }
    };
    if !tables::in_ranges(&major) {
        return Err(format!("M{} is outside the ISO 965-1 limits (over 0.99 to 355 mm)", short(&major)));
    }
    Ok(Found {
        system: System::IsoMetric,
        size: size("M", &major, &pitch, starts),
        series: if coarse == Some(pitch) { "coarse" } else { "fine or special" }.into(),
        class: class_part(tail, System::IsoMetric)?,
        tpi: None,
        starts,
        major,
        pitch,
    })
}

/// A letter, a diameter and a pitch, or a lead with its pitch: `Tr28x5`, `Tr40x14(P7)-7e`. `usual` is a pitch of that diameter to show.
pub(super) fn lettered(text: &str, letter: &str, system: System, usual: impl Fn(&Ratio) -> String) -> Result<Found, String> {
    let (digits, tail) = leading_number(text.get(letter.len()..).unwrap_or("").trim_start());
    let major = decimal(digits).filter(|d| !d.is_zero()).ok_or_else(|| format!("no diameter after {letter}; write it as in {letter}28x5"))?;
    let name = short(&major);
    let Some(after) = tail.strip_prefix('x') else {
        return Err(format!("no pitch after {letter}{name}; write it as in {letter}{name}x{}", usual(&major)));
    };
    let (pitch, starts, tail) = pitch_part(after, &format!("{letter}{name}x5 or {letter}40x14(P7)"))?;
    let (size, class) = (size(letter, &major, &pitch, starts), class_part(tail, system)?);
    Ok(Found { system, size, series: letter.into(), class, tpi: None, starts, major, pitch })
}

pub(super) fn trapezoidal(text: &str) -> Result<Found, String> {
    let known = |major: &Ratio| -> Vec<String> { of_series(Series::Trapezoidal).filter(|s| s.major == *major).map(|s| short(&s.pitch)).collect() };
    let usual = |major: &Ratio| {
        let known = known(major);
        known.get(known.len() / 2).cloned().unwrap_or_else(|| "5".to_owned())
    };
    let found = lettered(text, "Tr", System::Trapezoidal, usual)?;
    let Found { major, pitch, .. } = &found;
    if !tables::trapezoidal_es_um(real(pitch)).is_finite() {
        return Err(format!("trapezoidal threads have no pitch of {}; they have 1.5, 2, 3 … 10 by one, 12 … 24 by two, 28, 32, 36, 40 and 44", short(pitch)));
    }
    if !tables::in_ranges(major) {
        return Err(format!("Tr{} is outside the limits (to 355 mm)", short(major)));
    }
    let listed = known(major).contains(&short(pitch));
    Ok(Found { series: if listed { "Tr" } else { "Tr, special" }.into(), ..found })
}
