//! What a hand does, written a line each: told at the terminal as it comes, or read from a file.
//!
//! ```text
//! # a pass
//! spindle 60                  revolutions a minute; under nought in reverse
//! wait 2                      seconds
//! cross 0.2 at 4              a slide to a place on its dial, mm, so many mm a second
//! until mark 0                or: place 3.5, turned 12, still
//! close
//! until place 3.5
//! hand 0.31 0.04              a hand that takes so long, give or take
//! open
//! carriage 50 at 20
//! measure 1.45                over three wires, mm: what is on the lathe, as it is cut
//! ```

use crate::act::{Act, Cue, Slide};
use std::fmt;

/// How fast a hand winds where that is not written: the carriage, the slides, mm a second. House values.
const WINDS: [f64; 2] = [15.0, 3.0];
/// How fast a hand turns the spindle, turns a second. House value.
const TURNS: f64 = 0.5;

/// One line.
#[derive(Debug, Clone, Copy, PartialEq)]
pub enum Step {
    /// Done now.
    Do(Act),
    /// Waited for.
    Until(Cue),
    /// A hand takes so long before what follows: mean and spread, s.
    Hand([f64; 2]),
    /// Something befalls the instrument.
    Instrument(Trouble),
    /// The part is measured over three wires of this size, mm.
    Measure(f64),
}

/// What may befall an instrument that speaks.
#[derive(Debug, Clone, Copy, PartialEq)]
pub enum Trouble {
    /// Its line is dead so long, s.
    Gap(f64),
    /// Its readings are so unsteady, mm.
    Noise(f64),
    /// Its cable is cut: it never speaks again on this line.
    Cut,
    /// It speaks in inches from now on though told otherwise, or in mm.
    Inches(bool),
    /// Its places count from here.
    Zero,
}

/// A line that does not read, with what would.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Unread {
    /// Which, from 1.
    pub line: usize,
    /// What is wrong with it and what would be right.
    pub says: String,
}

impl fmt::Display for Unread {
    fn fmt(&self, f: &mut fmt::Formatter<'_>) -> fmt::Result {
        write!(f, "line {}: {}", self.line, self.says)
    }
}

/// What lines there are, for whoever asks.
pub const LINES: &str = "spindle RPM | turn TURNS [at RPM] | close | open | part TURNS | carriage MM [at MM/S] | cross MM [at MM/S] | compound MM [at MM/S] | \
zero cross | zero compound | pick up | start N | wait SECONDS | until mark N | until place MM | until turned TURNS | until still | hand SECONDS [SPREAD] | \
measure WIRE | gap SECONDS | noise MM | cut | inches | millimetres | zero readout";

/// Reads a whole script, every line that does not read named.
///
/// # Errors
/// The lines that do not read.
pub fn read(text: &str) -> Result<Vec<Step>, Vec<Unread>> {
    let (mut steps, mut unread) = (Vec::new(), Vec::new());
    for (i, line) in text.lines().enumerate() {
        match read_line(line) {
            Ok(step) => steps.extend(step),
            Err(says) => unread.push(Unread { line: i + 1, says }),
        }
    }
    if unread.is_empty() { Ok(steps) } else { Err(unread) }
}

/// Reads one line; nothing of one that is empty, or a remark after `#`.
///
/// # Errors
/// What is wrong with it.
pub fn read_line(line: &str) -> Result<Option<Step>, String> {
    let words: Vec<&str> = line.split('#').next().unwrap_or_default().split_whitespace().collect();
    let number = |word: Option<&&str>| -> Result<f64, String> {
        let word = word.ok_or_else(|| format!("`{}` wants a number after it", words.join(" ")))?;
        word.parse().ok().filter(|v: &f64| v.abs() <= 1e6).ok_or_else(|| format!("`{word}` is no number between -1000000 and 1000000"))
    };
    let Some(verb) = words.first() else { return Ok(None) };
    let one = || number(words.get(1));
    let fast = |usual: f64| match words.get(2) {
        None => Ok(usual),
        Some(&"at") => number(words.get(3)).and_then(|v| if v > 0.0 { Ok(v) } else { Err(format!("`{v}` a second goes nowhere: over 0")) }),
        Some(other) => Err(format!("`{other}` is not understood here: `at` and a speed, or nothing")),
    };
    let slide = |slide| Ok::<_, String>(Act::Feed(slide, [one()?, fast(WINDS[1])?]));
    let step = match *verb {
        "spindle" => Step::Do(Act::Spindle(one()? / 60.0)),
        "turn" => Step::Do(Act::Turn([one()?, fast(TURNS * 60.0)? / 60.0])),
        "close" => Step::Do(Act::Close),
        "open" => Step::Do(Act::Open),
        "part" => Step::Do(Act::Part(one()?)),
        "carriage" => Step::Do(Act::Wind([one()?, fast(WINDS[0])?])),
        "cross" => Step::Do(slide(Slide::Cross)?),
        "compound" => Step::Do(slide(Slide::Compound)?),
        "pick" => Step::Do(Act::PickUp),
        "start" => Step::Do(Act::Start(whole(one()?, 11.0)?)),
        "zero" => match words.get(1) {
            Some(&"cross") => Step::Do(Act::Zero(Slide::Cross)),
            Some(&"compound") => Step::Do(Act::Zero(Slide::Compound)),
            Some(&"readout") => Step::Instrument(Trouble::Zero),
            _ => return Err("`zero` what: cross, compound or readout".to_owned()),
        },
        "wait" => Step::Until(Cue::Seconds(one()?.max(0.0))),
        "until" => Step::Until(match words.get(1) {
            #[allow(clippy::cast_possible_truncation)] // no more than a thousand, just below
            Some(&"mark") => Cue::Mark(whole(number(words.get(2))?, 1000.0)? as u16),
            Some(&"place") => Cue::Place(number(words.get(2))?),
            Some(&"turned") => Cue::Turned(number(words.get(2))?),
            Some(&"still") => Cue::Still,
            _ => return Err("`until` what: mark N, place MM, turned TURNS or still".to_owned()),
        }),
        "hand" => Step::Hand([one()?.max(0.0), words.get(2).map_or(Ok(0.0), |w| number(Some(w)))?.max(0.0)]),
        "measure" => Step::Measure(one().and_then(|w| if w > 0.0 { Ok(w) } else { Err(format!("`{w}` is no wire: its diameter, mm, over 0")) })?),
        "gap" => Step::Instrument(Trouble::Gap(one()?.max(0.0))),
        "noise" => Step::Instrument(Trouble::Noise(one()?.max(0.0))),
        "cut" => Step::Instrument(Trouble::Cut),
        "inches" => Step::Instrument(Trouble::Inches(true)),
        "millimetres" => Step::Instrument(Trouble::Inches(false)),
        other => return Err(format!("`{other}` is not understood. There is: {LINES}")),
    };
    Ok(Some(step))
}

fn whole(value: f64, most: f64) -> Result<u32, String> {
    if value.fract() != 0.0 || !(0.0..=most).contains(&value) {
        return Err(format!("`{value}` is no whole number from 0 to {most}"));
    }
    #[allow(clippy::cast_possible_truncation, clippy::cast_sign_loss)] // asked just above
    Ok(value as u32)
}
