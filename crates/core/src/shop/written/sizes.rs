//! Sizes written one after another: drills and wires, runs and sets of them.

use crate::blank::drill::{lettered, numbered};
use crate::faults::Fault;
use crate::kit::DrillReach;
use crate::quantity::{LengthUnit, MM_PER_INCH, parse_length, real, short_text};
use crate::say;
use crate::voice::Voice;

/// Most sizes a run may make: past the most a drawer may hold of them.
const MOST: usize = 501;
/// Sizes nearer than this are one, mm.
const SAME_MM: f64 = 1e-6;

/// Sets of drills by name: the first and last, and how they step.
fn set(name: &str) -> Option<Vec<f64>> {
    let steps = |from: u32, to: u32, each: f64| (from..=to).map(|n| f64::from(n) * each).collect();
    match name {
        "numbers" => (1..=60).map(numbered).collect(),
        "numbers to 80" => (1..=80).map(numbered).collect(),
        "letters" => ('A'..='Z').map(lettered).collect(),
        "fractions" => Some(steps(4, 32, MM_PER_INCH / 64.0)),
        "tenths" => Some(steps(10, 100, 0.1)),
        "halves" => Some(steps(2, 26, 0.5)),
        _ => None,
    }
}

/// A drill by its maker's mark: `No. 7`, `#7`, `letter F`.
pub(super) fn mark(text: &str) -> Option<f64> {
    if let Some(n) = ["#", "no.", "no ", "number "].iter().find_map(|before| text.strip_prefix(before)) {
        return numbered(n.trim().parse().ok()?);
    }
    let letter = text.strip_prefix("letter ").unwrap_or(text).trim();
    let mut letters = letter.chars();
    letters.next().filter(|c| c.is_ascii_alphabetic() && letters.next().is_none()).and_then(lettered)
}

/// A length, mm; what was given its own unit, or the line's.
pub(super) fn length(text: &str, otherwise: LengthUnit) -> Option<f64> {
    parse_length(text, otherwise).ok().map(|l| real(&l.mm))
}

/// `1 to 13 by 0.5 mm`: the unit may stand once, at the end.
fn run(text: &str, otherwise: LengthUnit) -> Option<Vec<f64>> {
    let (from, rest) = text.split_once(" to ")?;
    let (to, by) = rest.split_once(" by ")?;
    let last = if by.ends_with("mm") {
        LengthUnit::Mm
    } else if by.ends_with("in") || by.ends_with('"') {
        LengthUnit::In
    } else {
        otherwise
    };
    let [from, to, by] = [from, to, by].map(|t| length(t, last));
    let (from, to, by) = (from?, to?, by?);
    let steps = (to - from) / by;
    (by > 0.0 && steps >= 0.0 && (steps - steps.round()).abs() < 1e-6 && steps < 1000.0).then_some(())?;
    #[allow(clippy::cast_possible_truncation, clippy::cast_sign_loss)] // a small count
    let count = steps.round() as u32;
    Some((0..=count).map(|n| from + f64::from(n) * by).collect())
}

/// What stands between commas, semicolons and ends of lines, with its line; a comma before a figure is a decimal one.
fn things(text: &str) -> impl Iterator<Item = (usize, String)> + '_ {
    let of = |line: &str| line.replace(", ", ";").split(';').map(|t| t.trim().to_lowercase()).filter(|t| !t.is_empty()).collect::<Vec<_>>();
    text.lines().enumerate().flat_map(move |(i, line)| of(line.trim_end_matches(',')).into_iter().map(move |t| (i + 1, t)))
}

/// Sizes as they are written, least first, each once; and how far the drills among them reach, where that was told.
///
/// # Errors
/// Every thing that does not read, by its line, and how it would.
pub(super) fn sizes(text: &str, at: &str, drills: bool, voice: Voice) -> Result<(Vec<f64>, Vec<DrillReach>), Vec<Fault>> {
    let (mut all, mut reaches, mut faults) = (Vec::new(), Vec::new(), Vec::new());
    for (line, thing) in things(text) {
        let named = |thing: &str| if drills { set(thing).or_else(|| mark(thing).map(|d| vec![d])) } else { None };
        let read = |thing: &str| named(thing).or_else(|| run(thing, voice.unit)).or_else(|| length(thing, voice.unit).map(|d| vec![d]));
        // Of a drill, or of all of a run: how deep they go.
        let far = thing.split_once(" reach ").filter(|_| drills).map(|(size, reach)| (size.trim(), length(reach, voice.unit)));
        let sized = match far {
            Some((size, reach)) => read(size).zip(reach).map(|(read, reach_mm)| {
                reaches.extend(read.iter().take(MOST).map(|drill_mm| DrillReach { drill_mm: *drill_mm, reach_mm }));
                read
            }),
            None => read(&thing),
        };
        match sized {
            Some(read) => all.extend(read),
            None => faults.push(Fault::new(
                at,
                say!(voice, "drawer-not-a-size", line = line, text = thing.chars().take(40).collect::<String>(), of = if drills { "drill" } else { "wire" }),
            )),
        }
    }
    all.truncate(MOST);
    all.sort_by(f64::total_cmp);
    all.dedup_by(|a, b| (*a - *b).abs() < SAME_MM);
    if faults.is_empty() { Ok((all, reaches)) } else { Err(faults) }
}

/// A size so written that it reads back as it is: in the unit asked where that comes out, else in mm.
pub(super) fn size(mm: f64, unit: LengthUnit) -> String {
    let inches = format!("{} in", short_text(mm / MM_PER_INCH, 5));
    let back = length(&inches, LengthUnit::In).is_some_and(|d| (d - mm).abs() < 1e-7);
    if unit == LengthUnit::In && back { inches } else { format!("{} mm", short_text(mm, 6)) }
}
