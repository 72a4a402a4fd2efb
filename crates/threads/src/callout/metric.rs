//! Metric callouts: `M20x2.5-6g`, `M16xPh3P1.5`, `Tr40x14(P7)-7e`.

use super::Found;
use super::text::{leading_number, short};
use crate::class::Class;
use crate::quantity::{Ratio, decimal, real};
use crate::series::{Series, coarse_pitch, of_series};
use crate::system::System;
use crate::tables;
use num_traits::Zero;
use yoke_ground::says::Sentence;
use yoke_ground::sentence;

/// A pitch after the times sign, or a lead with its pitch: the pitch, the starts if a lead was given,
/// and the rest.
fn pitch_part<'a>(after: &'a str, example: &str) -> Result<(Ratio, Option<u8>, &'a str), Sentence> {
    let wrong = |what: &str| sentence!("callout-after-times", text = after.trim(), what = what, example = example);
    let number = |text: &str| decimal(text).filter(|p| !p.is_zero());
    let bare = after.trim_start();
    let led = ["Ph", "PH", "ph", "L", "l"].iter().find_map(|mark| bare.strip_prefix(mark));
    let (digits, rest) = leading_number(led.unwrap_or(bare));
    let first = number(digits).ok_or_else(|| wrong("pitch"))?;
    let inner = rest.trim_start_matches(['(', ' ', '-']);
    let Some(p) = inner.strip_prefix(['P', 'p']) else {
        return if led.is_some() { Err(wrong("lead-ph")) } else { Ok((first, None, rest)) };
    };
    let (digits, rest) = leading_number(p);
    let pitch = number(digits).ok_or_else(|| wrong("lead-p"))?;
    let starts = first / pitch;
    match u8::try_from(*starts.numer()) {
        Ok(n @ 1..=12) if starts.is_integer() => Ok((pitch, Some(n), rest.trim_start_matches(')').trim_start())),
        _ => Err(sentence!("callout-lead", lead = short(&first), pitch = short(&pitch))),
    }
}

/// A class at the end, if there is one.
fn class_part(tail: &str, system: System) -> Result<Option<Class>, Sentence> {
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

pub(super) fn metric(text: &str) -> Result<Found, Sentence> {
    let (digits, tail) = leading_number(&text[1..]);
    let major = decimal(digits).filter(|d| !d.is_zero()).ok_or_else(|| sentence!("callout-no-diameter"))?;
    let coarse = coarse_pitch(&major);
    let (pitch, starts, tail) = match tail.strip_prefix('x') {
        Some(after) => pitch_part(after, &format!("M{}x1.5", short(&major)))?,
        None => {
            let name = short(&major);
            (coarse.ok_or_else(|| sentence!("callout-no-coarse", name = &name))?, None, tail)
        }
    };
    if !tables::in_ranges(&major) {
        return Err(sentence!("callout-outside-iso", size = short(&major)));
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
pub(super) fn lettered(text: &str, letter: &str, system: System, usual: impl Fn(&Ratio) -> String) -> Result<Found, Sentence> {
    let (digits, tail) = leading_number(text.get(letter.len()..).unwrap_or("").trim_start());
    let major = decimal(digits).filter(|d| !d.is_zero()).ok_or_else(|| sentence!("callout-no-lettered", letter = &letter))?;
    let name = short(&major);
    let Some(after) = tail.strip_prefix('x') else {
        return Err(sentence!("callout-no-lettered-pitch", letter = &letter, name = &name, usual = usual(&major)));
    };
    let (pitch, starts, tail) = pitch_part(after, &format!("{letter}{name}x5 or {letter}40x14(P7)"))?;
    let (size, class) = (size(letter, &major, &pitch, starts), class_part(tail, system)?);
    Ok(Found { system, size, series: letter.into(), class, tpi: None, starts, major, pitch })
}

pub(super) fn trapezoidal(text: &str) -> Result<Found, Sentence> {
    let known = |major: &Ratio| -> Vec<String> { of_series(Series::Trapezoidal).filter(|s| s.major == *major).map(|s| short(&s.pitch)).collect() };
    let usual = |major: &Ratio| {
        let known = known(major);
        known.get(known.len() / 2).cloned().unwrap_or_else(|| "5".to_owned())
    };
    let found = lettered(text, "Tr", System::Trapezoidal, usual)?;
    let Found { major, pitch, .. } = &found;
    if !tables::trapezoidal_es_um(real(pitch)).is_finite() {
        return Err(sentence!("callout-tr-pitch", pitch = short(pitch)));
    }
    if !tables::in_ranges(major) {
        return Err(sentence!("callout-tr-outside", size = short(major)));
    }
    let listed = known(major).contains(&short(pitch));
    Ok(Found { series: if listed { "Tr" } else { "Tr, special" }.into(), ..found })
}
