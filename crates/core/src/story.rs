//! The story of a run: every act in words, with what was known after it.

use crate::csv_out;
use crate::cut::DialSetting;
use crate::gauge::{GaugeResult, Measured, VerdictKind};
use crate::log::{Act, ActKind, BitChange, RunState, fold, undone};
use crate::outline::{Dimension, Drawing, Point, Shape};
use crate::quantity::{plain_text, short_text};
use crate::run::{RunPlan, SAME_MM};
use crate::thread::Fit;
use crate::trouble;
use crate::voice::Voice;
use crate::working::Quantity;
use serde::Serialize;

/// An act with when it happened and who told it.
#[derive(Debug, Clone)]
pub struct RecordedAct {
    /// The act.
    pub act: Act,
    /// When it happened, as the client says.
    pub happened: String,
    /// `typed`, or the device's name.
    pub source: String,
}

/// One line of the story.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct StoryLine {
    /// The act.
    pub id: String,
    /// When it happened.
    pub happened: String,
    /// Who told it.
    pub source: String,
    /// What kind of act it was.
    pub kind: &'static str,
    /// What was done, in words.
    pub says: String,
    /// What came of it, in words.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub then: Option<String>,
    /// Whether it was taken back later.
    pub undone: bool,
    /// Number of the pass.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub pass: Option<u32>,
    /// Where the dial stood after it, radial mm.
    pub stands_mm: f64,
    /// The same as it is read on the dial.
    pub reading: String,
    /// Pitch diameter it told, mm.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub size_mm: Option<f64>,
    /// Doubt of that, mm.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub doubt_mm: Option<f64>,
    /// What was judged.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub verdict: Option<VerdictKind>,
}

/// The whole story of a run.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Story {
    /// How it ended, or stands, in one sentence.
    pub result: String,
    /// Pitch diameter told last.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub last_mm: Option<Quantity>,
    /// How sure that is, in words.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub last_says: Option<String>,
    /// Its lines, in the order they were told.
    pub lines: Vec<StoryLine>,
    /// Sizes read, pass after pass, against the limits; absent before the first reading.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub sizes: Option<Drawing>,
}

/// Tells the story.
#[must_use]
pub fn story(plan: &RunPlan, told: &[RecordedAct], voice: Voice) -> Story {
    let acts: Vec<Act> = told.iter().map(|t| t.act.clone()).collect();
    let undone = undone(&acts);
    let mut stands = DialPosition { mm: 0.0, reading: plan.dial.nearest(0.0).setting };
    let lines: Vec<StoryLine> = told
        .iter()
        .enumerate()
        .map(|(i, t)| {
            // As it stood when this was told, whatever was taken back since. A pass says itself where the dial stands, and a note
            // moves nothing: those are most of a story, and need no folding.
            let after = match t.act.kind {
                ActKind::PassDone { radial_mm, .. } => {
                    stands = DialPosition { mm: radial_mm, reading: plan.dial.nearest(radial_mm).setting };
                    None
                }
                ActKind::Note { .. } | ActKind::Sized { .. } | ActKind::Trouble { .. } | ActKind::Ticked { .. } | ActKind::Unticked { .. } => None,
                _ => Some(fold(plan, &acts[..=i], voice)),
            };
            if let Some(after) = &after {
                stands = DialPosition { mm: after.stands_mm, reading: after.stands.clone() };
            }
            line(plan, t, &stands, after.as_ref(), undone.contains(&t.act.id.as_str()), voice)
        })
        .collect();
    let last = fold(plan, &acts, voice);
    let last_mm = last.verdict.as_ref().map(|v| Quantity::given(voice, (v.pitch_diameter_mm.value * 1e6).round() / 1e6));
    let last_says = last.verdict.as_ref().map(|v| format!("give or take {}", voice.length(v.pitch_diameter_mm.doubt)));
    Story { result: result(&last, voice), last_mm, last_says, sizes: sizes(plan, &lines, voice), lines }
}

/// How a run ended, or stands, in one sentence.
#[must_use]
pub fn result(state: &RunState, voice: Voice) -> String {
    let passes = match state.passes_done {
        1 => "One pass".to_owned(),
        n => format!("{n} passes"),
    };
    match &state.verdict {
        _ if state.scrapped.is_some() => format!("{passes}; scrapped: {}", state.scrapped.as_deref().unwrap_or_default()),
        _ if !state.begun => "Not begun.".into(),
        Some(v) if v.verdict == VerdictKind::InLimits => {
            format!("{passes}; in limits, {} give or take {}.", voice.length(v.pitch_diameter_mm.value), voice.length(v.pitch_diameter_mm.doubt))
        }
        Some(v) if v.verdict == VerdictKind::PastLimit => format!("{passes}; past the limit, {}.", voice.length(v.pitch_diameter_mm.value)),
        Some(_) => format!("{passes}; read, and not there yet."),
        None if state.closed => format!("{passes}; done with, never read."),
        None => format!("{passes}; not read since."),
    }
}

/// Where the dial stands, as a depth and as a setting.
struct DialPosition {
    mm: f64,
    reading: DialSetting,
}

fn line(plan: &RunPlan, told: &RecordedAct, stands: &DialPosition, after: Option<&RunState>, undone: bool, voice: Voice) -> StoryLine {
    let (kind, says) = says(plan, &told.act.kind, &stands.reading, voice);
    let reads = matches!(told.act.kind, ActKind::Measured(_) | ActKind::Tried { .. });
    let verdict = after.and_then(|a| a.verdict.as_ref()).filter(|_| reads);
    StoryLine {
        id: told.act.id.clone(),
        happened: told.happened.clone(),
        source: told.source.clone(),
        kind,
        says,
        then: verdict.map(|v| v.says.clone()),
        undone,
        pass: match told.act.kind {
            ActKind::PassDone { n, .. } | ActKind::Took { n, .. } => Some(n),
            _ => None,
        },
        stands_mm: stands.mm,
        reading: stands.reading.reading.clone(),
        size_mm: verdict.map(|v| v.pitch_diameter_mm.value),
        doubt_mm: verdict.map(|v| v.pitch_diameter_mm.doubt),
        verdict: verdict.map(|v| v.verdict),
    }
}

/// A pass by its number; the scratch has none.
fn pass_named(n: u32) -> String {
    if n == 0 { "The scratch".into() } else { format!("Pass {n}") }
}

fn says(plan: &RunPlan, kind: &ActKind, stands: &DialSetting, voice: Voice) -> (&'static str, String) {
    match kind {
        ActKind::PassDone { n, radial_mm } => ("pass_done", format!("{} cut at {}.", pass_named(*n), plan.dial.nearest(*radial_mm).setting.text)),
        // A dial's figure stands in its own unit, whatever the page speaks.
        ActKind::Took { n, reading } => {
            ("took", format!("{} cut at a reading of {} {} instead.", pass_named(*n), short_text(*reading, 4), plan.dial.unit.sign()))
        }
        ActKind::Measured(m) => ("measured", measured(m, voice)),
        ActKind::Tried { .. } => ("tried", kind.tried().map_or_else(String::new, |fit| tried(fit, voice))),
        ActKind::Trouble { symptom, cause, found } => {
            let (wrong, behind) = (
                trouble::symptom_says(*symptom, plan.side, voice),
                trouble::rule(cause).map_or_else(String::new, |r| trouble::cause_says(r, plan.side, voice)),
            );
            ("trouble", format!("{wrong}. {}: {behind}.", if *found { "Found" } else { "Not that" }))
        }
        ActKind::GrooveTouched { bottom_only, .. } => {
            let how = if *bottom_only { "its bottom only" } else { "both flanks" };
            ("groove_touched", format!("The groove was touched with the new tip, {how}, at {}.", stands.text))
        }
        ActKind::StandsAt { .. } => ("stands_at", format!("The dial stood at {}.", stands.text)),
        ActKind::Sprung {} => ("sprung", format!("A spring pass at {}.", stands.text)),
        ActKind::BitChanged { why, tip_flat_mm, tip_radius_mm } => {
            let tip = match (tip_flat_mm, tip_radius_mm) {
                (Some(f), _) => format!(" with a flat of {}", voice.length(*f)),
                (None, Some(r)) => format!(" with a radius of {}", voice.length(*r)),
                (None, None) => String::new(),
            };
            let what = match why {
                BitChange::Broke => "The {bit} broke; another goes on",
                BitChange::Reground => "The {bit} was ground again, and goes on",
                BitChange::Swapped => "Another {bit} goes on",
            };
            ("bit_changed", format!("{}{tip}.", voice.fill(what)))
        }
        ActKind::Rechucked {} => ("rechucked", "Out of the chuck, and back.".into()),
        ActKind::Lost {} => ("lost", "The thread was lost: found again from here.".into()),
        ActKind::Stopped {} => ("stopped", "Stopped for the day.".into()),
        ActKind::Resumed {} => ("resumed", "Gone on with.".into()),
        ActKind::Finished {} => ("finished", "Done with.".into()),
        ActKind::Ticked { step, noted, .. } => {
            let note = noted.as_ref().map_or_else(String::new, |n| format!(", noted: {n}"));
            ("ticked", format!("Set-up: {} done{note}.", step.replace('_', " ")))
        }
        ActKind::Unticked { step } => ("unticked", format!("Set-up: {} to do again.", step.replace('_', " "))),
        ActKind::Sized { name, mm } => ("sized", format!("{name}: {} read.", voice.length(*mm))),
        ActKind::Overran { past_mm } => ("overran", format!("Ran {} past the mark.", voice.length(*past_mm))),
        ActKind::Scrapped { why } => ("scrapped", format!("Scrapped: {why}")),
        ActKind::Undone { .. } => ("undone", "The last was taken back.".into()),
        ActKind::Note { text } => ("note", text.clone()),
    }
}

fn measured(m: &Measured, voice: Voice) -> String {
    let wire = m.wire_mm.map_or_else(String::new, |w| format!(" of {}", voice.length(w)));
    let read = match m {
        Measured { over_wires_mm: Some(v), .. } => format!("{} over three wires{wire}", voice.length(*v)),
        Measured { over_one_wire_mm: Some(v), .. } => format!("{} over one wire{wire}", voice.length(*v)),
        Measured { pitch_diameter_mm: Some(v), .. } => format!("{} by thread micrometer", voice.length(*v)),
        Measured { between_balls_mm: Some(v), balls, .. } => {
            format!("{} between {} balls{wire}", voice.length(*v), if *balls == Some(2) { "two" } else { "three" })
        }
        Measured { root_mm: Some(v), .. } => format!("{} across the roots", voice.length(*v)),
        Measured { plug: Some(went), .. } => {
            return match went {
                GaugeResult::GoStops => "Gauge: the go end did not go.".into(),
                GaugeResult::GoGoes => "Gauge: go went, not-go did not.".into(),
                GaugeResult::NotGoGoes => "Gauge: the not-go end went.".into(),
            };
        }
        _ => "nothing".into(),
    };
    let with = m.instrument.as_ref().map_or_else(String::new, |i| format!(", with the {i}"));
    let more = match m.places.len() {
        0 => String::new(),
        n => format!(", and at {n} more {}", if n == 1 { "place" } else { "places" }),
    };
    format!("Read {read}{more}{with}.")
}

fn tried(fit: Fit, voice: Voice) -> String {
    match fit {
        Fit::Enters { turns } => format!("Tried: the mate enters {} turns.", plain_text(turns, 1)),
        Fit::Shakes { shake_mm } => format!("Tried: the mate shakes by {}.", voice.length(shake_mm)),
        other => format!("Tried: {}.", other.says()),
    }
}

/// The field of the chart, as drawn.
const WIDE: f64 = 320.0;
const HIGH: f64 = 170.0;

/// Sizes read against the limits, in the order they were read.
fn sizes(plan: &RunPlan, lines: &[StoryLine], voice: Voice) -> Option<Drawing> {
    let read: Vec<(f64, f64)> =
        lines.iter().filter(|l| !l.undone && l.verdict != Some(VerdictKind::Unsure)).filter_map(|l| Some((l.size_mm?, l.doubt_mm?))).collect();
    let [low, high] = plan.limits_mm;
    let (first, last) = (read.first()?, read.last()?);
    let room = (high - low).max(SAME_MM);
    let bottom = read.iter().map(|r| r.0).fold(low, f64::min) - 0.3 * room;
    let top = read.iter().map(|r| r.0).fold(high, f64::max) + 0.3 * room;
    #[allow(clippy::cast_precision_loss)] // a handful
    let step = WIDE / (read.len() as f64 + 1.0);
    let y = |size: f64| HIGH * (size - bottom) / (top - bottom);
    let level = |size: f64| -> Vec<Point> { vec![[0.0, y(size)], [WIDE, y(size)]] };
    let mut shapes = vec![
        Shape::closed("range.serves", vec![[0.0, y(low)], [WIDE, y(low)], [WIDE, y(high)], [0.0, y(high)]]),
        Shape::open("chart.limit", level(low)),
        Shape::open("chart.limit", level(high)),
        Shape::open("chart.mark", level(plan.target_mm)),
        Shape::open("chart.axis", vec![[0.0, HIGH], [0.0, 0.0], [WIDE, 0.0]]),
    ];
    #[allow(clippy::cast_precision_loss)] // a handful
    let at = |i: usize, size: f64| -> Point { [step * (i as f64 + 1.0), y(size)] };
    shapes.push(Shape::open("chart.line", read.iter().enumerate().map(|(i, r)| at(i, r.0)).collect()));
    for (i, (size, doubt)) in read.iter().enumerate() {
        let x = at(i, *size)[0];
        shapes.push(Shape::open("chart.mark", vec![[x, y(size - doubt)], [x, y(size + doubt)]]));
        shapes.push(Shape::circle("chart.read", at(i, *size), 4.0));
    }
    let beside = |name, says, size: f64| Dimension::at(name, says, Quantity::given(voice, size), [WIDE + 4.0, y(size)]);
    // Figures that would stand on one another are left to the story beside.
    let mut dimensions = vec![beside("low", "low limit", low), beside("high", "high limit", high)];
    if (last.0 - low).abs().min((last.0 - high).abs()) > 0.14 * (top - bottom) {
        dimensions.push(beside("last", "read last", last.0));
    }
    Some(Drawing::chart(
        voice,
        format!(
            "Sizes read, in order, against limits of {} to {}: the first {}, the last {}.",
            voice.length(low),
            voice.length(high),
            voice.length(first.0),
            voice.length(last.0)
        ),
        [-14.0, -14.0, WIDE + 14.0, HIGH + 16.0],
        shapes,
        dimensions,
    ))
}

/// The story as a sheet: a line an act, its columns named in the first.
#[must_use]
pub fn story_csv(lines: &[StoryLine]) -> String {
    let head = ["happened", "kind", "pass", "depth_radial_mm", "dial", "pitch_diameter_mm", "doubt_mm", "verdict", "taken_back", "source", "says"];
    let number = |v: Option<f64>| v.map_or_else(String::new, |v| plain_text(v, 6));
    let mut rows = vec![head.map(str::to_owned).to_vec()];
    for l in lines {
        let verdict = l.verdict.and_then(|v| serde_json::to_value(v).ok()).and_then(|v| v.as_str().map(str::to_owned)).unwrap_or_default();
        rows.push(vec![
            l.happened.clone(),
            l.kind.to_owned(),
            l.pass.map_or_else(String::new, |n| n.to_string()),
            number(Some(l.stands_mm)),
            l.reading.clone(),
            number(l.size_mm),
            number(l.doubt_mm),
            verdict,
            if l.undone { "yes".into() } else { String::new() },
            l.source.clone(),
            l.says.clone(),
        ]);
    }
    csv_out::sheet(&rows)
}
