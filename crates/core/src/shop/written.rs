//! The drawer as it is written: drills, wires and micrometers, a thing or a set a line.

use crate::blank::drill::{lettered, marked, numbered};
use crate::faults::Fault;
use crate::kit::{Kit, MicrometerKind, OwnedMicrometer};
use crate::quantity::{LengthUnit, MM_PER_INCH, parse_length, real, short_text};
use crate::say;
use crate::voice::Voice;
use serde::{Deserialize, Serialize};

/// What of the drawer is written.
#[derive(Debug, Clone, Default, PartialEq, Eq, Serialize, Deserialize)]
#[serde(default, deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct WrittenDrawer {
    /// Drills: sizes, numbers, letters, runs such as `1 to 13 by 0.5 mm`, and sets by name.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub drills: Option<String>,
    /// Measuring wires, as each measures.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub wires: Option<String>,
    /// Micrometers, one a line: `name; outside; 0 to 25 mm; zero 0.002 mm; spread 0.003 mm`.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub micrometers: Option<String>,
}

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
fn mark(text: &str) -> Option<f64> {
    if let Some(n) = ["#", "no.", "no ", "number "].iter().find_map(|before| text.strip_prefix(before)) {
        return numbered(n.trim().parse().ok()?);
    }
    let letter = text.strip_prefix("letter ").unwrap_or(text).trim();
    let mut letters = letter.chars();
    letters.next().filter(|c| c.is_ascii_alphabetic() && letters.next().is_none()).and_then(lettered)
}

/// A length, mm; what was given its own unit, or the line's.
fn length(text: &str, otherwise: LengthUnit) -> Option<f64> {
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

/// Sizes as they are written, least first, each once.
///
/// # Errors
/// Every thing that does not read, by its line, and how it would.
fn sizes(text: &str, at: &str, drills: bool, voice: Voice) -> Result<Vec<f64>, Vec<Fault>> {
    let (mut all, mut faults) = (Vec::new(), Vec::new());
    for (line, thing) in things(text) {
        let named = || if drills { set(&thing).or_else(|| mark(&thing).map(|d| vec![d])) } else { None };
        match named().or_else(|| run(&thing, voice.unit)).or_else(|| length(&thing, voice.unit).map(|d| vec![d])) {
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
    if faults.is_empty() { Ok(all) } else { Err(faults) }
}

/// One micrometer a line.
fn micrometer(line: &str, otherwise: LengthUnit) -> Option<OwnedMicrometer> {
    let mut parts = line.split(';').map(str::trim);
    let name = parts.next().filter(|n| !n.is_empty())?.to_owned();
    let mut one = OwnedMicrometer { name, kind: MicrometerKind::Outside, from_mm: f64::NAN, to_mm: f64::NAN, zero_mm: 0.0, spread_mm: None };
    for part in parts.filter(|p| !p.is_empty()) {
        let low = part.to_lowercase();
        let signed = |text: &str| {
            let bare = text.trim().trim_start_matches(['-', '\u{2212}']);
            length(bare, otherwise).map(|mm| if bare.len() < text.trim().len() { -mm } else { mm })
        };
        let rest = |word: &str| low.strip_prefix(word).map(signed);
        if let Some(zero) = rest("zero") {
            one.zero_mm = zero?;
        } else if let Some(spread) = rest("spread") {
            one.spread_mm = Some(spread?);
        } else if let Some((from, to)) = low.split_once(" to ") {
            let unit = parse_length(to, otherwise).ok()?.unit;
            (one.from_mm, one.to_mm) = (length(from, unit)?, length(to, unit)?);
        } else {
            one.kind = match low.as_str() {
                "outside" => MicrometerKind::Outside,
                "thread" => MicrometerKind::Thread,
                "inside thread" => MicrometerKind::InsideThread,
                _ => return None,
            };
        }
    }
    one.from_mm.is_finite().then_some(one)
}

/// Puts what is written in place of what the drawer held of it; what is not written stays.
///
/// # Errors
/// Every line that does not read, and how it would.
pub fn put_written(kit: &mut Kit, written: &WrittenDrawer, voice: Voice) -> Result<(), Vec<Fault>> {
    let mut faults = Vec::new();
    let mut list = |text: &Option<String>, at: &str, drills: bool| {
        let text = text.as_ref()?;
        sizes(text, at, drills, voice).map_err(|f| faults.extend(f)).ok()
    };
    let (drills, wires) = (list(&written.drills, "/drills", true), list(&written.wires, "/wires", false));
    let micrometers = written.micrometers.as_ref().map(|text| {
        let lines = text.lines().enumerate().filter(|(_, line)| !line.trim().is_empty());
        let read = |(i, line): (usize, &str)| {
            let wrong = || Fault::new("/micrometers", say!(voice, "drawer-not-a-micrometer", line = i + 1));
            micrometer(line, voice.unit).ok_or_else(wrong).map_err(|f| faults.push(f)).ok()
        };
        lines.filter_map(read).collect::<Vec<_>>()
    });
    if !faults.is_empty() {
        return Err(faults);
    }
    kit.drills_mm = drills.unwrap_or_else(|| std::mem::take(&mut kit.drills_mm));
    kit.wires_mm = wires.unwrap_or_else(|| std::mem::take(&mut kit.wires_mm));
    kit.micrometers = micrometers.unwrap_or_else(|| std::mem::take(&mut kit.micrometers));
    Ok(())
}

/// A size so written that it reads back as it is: in the unit asked where that comes out, else in mm.
fn size(mm: f64, unit: LengthUnit) -> String {
    let inches = format!("{} in", short_text(mm / MM_PER_INCH, 5));
    let back = length(&inches, LengthUnit::In).is_some_and(|d| (d - mm).abs() < 1e-7);
    if unit == LengthUnit::In && back { inches } else { format!("{} mm", short_text(mm, 6)) }
}

/// The drawer as it would be written.
#[must_use]
pub fn written(kit: &Kit, voice: Voice) -> WrittenDrawer {
    let drill = |mm: &f64| {
        let name = marked(*mm, Voice { unit: voice.unit, ..Voice::default() });
        let reads = mark(&name.to_lowercase()).or_else(|| length(&name, voice.unit)).is_some_and(|d| (d - mm).abs() < 1e-7);
        if reads { name } else { size(*mm, voice.unit) }
    };
    let micrometer = |m: &OwnedMicrometer| {
        let kind = match m.kind {
            MicrometerKind::Outside => "outside",
            MicrometerKind::Thread => "thread",
            MicrometerKind::InsideThread => "inside thread",
        };
        let mut line = format!("{}; {kind}; {} to {}", m.name, size(m.from_mm, voice.unit), size(m.to_mm, voice.unit));
        if m.zero_mm != 0.0 {
            line += &format!("; zero {}", size(m.zero_mm, voice.unit));
        }
        if let Some(spread) = m.spread_mm {
            line += &format!("; spread {}", size(spread, voice.unit));
        }
        line
    };
    WrittenDrawer {
        drills: Some(kit.drills_mm.iter().map(drill).collect::<Vec<_>>().join("\n")),
        wires: Some(kit.wires_mm.iter().map(|mm| size(*mm, voice.unit)).collect::<Vec<_>>().join("\n")),
        micrometers: Some(kit.micrometers.iter().map(micrometer).collect::<Vec<_>>().join("\n")),
    }
}
