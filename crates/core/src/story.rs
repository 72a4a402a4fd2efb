//! The story of a run: every act in words, with what was known after it.

use crate::csv_out;
use crate::cut::DialSetting;
use crate::gauge::{GaugeResult, Measured, VerdictKind};
use crate::log::{Act, ActKind, BitChange, RunState, fold, undone};
use crate::outline::{Dimension, Drawing, Point, Shape};
use crate::quantity::{plain_text, short_text};
use crate::run::{RunPlan, SAME_MM};
use crate::say;
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
    let voice = plan.voiced(voice);
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
    let last_says = last.verdict.as_ref().map(|v| say!(voice, "story-give-or-take", doubt = voice.length(v.pitch_diameter_mm.doubt)));
    Story { result: result(&last, voice), last_mm, last_says, sizes: sizes(plan, &lines, voice), lines }
}

/// How a run ended, or stands, in one sentence.
#[must_use]
pub fn result(state: &RunState, voice: Voice) -> String {
    let n = state.passes_done;
    match &state.verdict {
        _ if state.scrapped.is_some() => say!(voice, "story-scrapped", n = n, why = state.scrapped.as_deref().unwrap_or_default()),
        _ if !state.begun => say!(voice, "story-not-begun"),
        Some(v) if v.verdict == VerdictKind::InLimits => {
            let [size, doubt] = [v.pitch_diameter_mm.value, v.pitch_diameter_mm.doubt].map(|mm| voice.length(mm));
            say!(voice, "story-in-limits", n = n, size = size, doubt = doubt)
        }
        Some(v) if v.verdict == VerdictKind::PastLimit => say!(voice, "story-past-limit", n = n, size = voice.length(v.pitch_diameter_mm.value)),
        Some(_) => say!(voice, "story-not-there", n = n),
        None if state.closed => say!(voice, "story-never-read", n = n),
        None => say!(voice, "story-not-read-since", n = n),
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

fn says(plan: &RunPlan, kind: &ActKind, stands: &DialSetting, voice: Voice) -> (&'static str, String) {
    match kind {
        ActKind::PassDone { n, radial_mm } => ("pass_done", say!(voice, "story-pass", n = *n, at = &plan.dial.nearest(*radial_mm).setting.text)),
        // A dial's figure stands in its own unit, whatever the page speaks.
        ActKind::Took { n, reading } => ("took", say!(voice, "story-took", n = *n, reading = short_text(*reading, 4), unit = plan.dial.unit.sign())),
        ActKind::Measured(m) => ("measured", measured(m, voice)),
        ActKind::Tried { touched, .. } => {
            let met = touched.map_or_else(String::new, |by| format!(" {}", say!(voice, "story-met", by = by.word())));
            ("tried", kind.tried().map_or_else(String::new, |fit| tried(fit, voice) + &met))
        }
        ActKind::Trouble { symptom, cause, found } => {
            let (wrong, behind) = (
                trouble::symptom_says(*symptom, plan.side, voice),
                trouble::rule(cause).map_or_else(String::new, |r| trouble::cause_says(r, plan.side, voice)),
            );
            ("trouble", say!(voice, "story-trouble", wrong = wrong, found = if *found { "yes" } else { "no" }, cause = behind))
        }
        ActKind::GrooveTouched { bottom_only, .. } => {
            let touched = if *bottom_only { "bottom" } else { "flanks" };
            ("groove_touched", say!(voice, "story-touched", touched = touched, at = &stands.text))
        }
        ActKind::StandsAt { .. } => ("stands_at", say!(voice, "story-stood", at = &stands.text)),
        ActKind::Sprung {} => ("sprung", say!(voice, "story-sprung", at = &stands.text)),
        ActKind::BitChanged { why, tip_flat_mm, tip_radius_mm } => {
            let (tip, size) = match (tip_flat_mm, tip_radius_mm) {
                (Some(f), _) => ("flat", voice.length(*f)),
                (None, Some(r)) => ("radius", voice.length(*r)),
                (None, None) => ("untold", String::new()),
            };
            let why = match why {
                BitChange::Broke => "broke",
                BitChange::Reground => "reground",
                BitChange::Swapped => "swapped",
            };
            ("bit_changed", say!(voice, "story-bit", why = why, tip = tip, size = size))
        }
        ActKind::Rechucked { back, .. } => ("rechucked", say!(voice, "story-rechucked", back = back.map_or("untold", crate::log::Back::word))),
        ActKind::Lost {} => ("lost", say!(voice, "story-lost")),
        ActKind::Stopped {} => ("stopped", say!(voice, "story-stopped")),
        ActKind::Resumed {} => ("resumed", say!(voice, "story-resumed")),
        ActKind::Finished {} => ("finished", say!(voice, "story-done")),
        ActKind::Ticked { step, noted, .. } => {
            let step = step.replace('_', " ");
            (
                "ticked",
                match noted {
                    None => say!(voice, "story-ticked", step = step),
                    Some(note) => say!(voice, "story-ticked-noted", step = step, note = note),
                },
            )
        }
        ActKind::Unticked { step } => ("unticked", say!(voice, "story-unticked", step = step.replace('_', " "))),
        ActKind::Sized { name, mm } => ("sized", say!(voice, "story-sized", name = &name, size = voice.length(*mm))),
        ActKind::Overran { past_mm } => ("overran", say!(voice, "story-overran", past = voice.length(*past_mm))),
        ActKind::Scrapped { why } => ("scrapped", say!(voice, "story-scrap", why = &why)),
        ActKind::Undone { .. } => ("undone", say!(voice, "story-undone")),
        ActKind::Note { text } => ("note", text.clone()),
    }
}

fn measured(m: &Measured, voice: Voice) -> String {
    let (by, size) = match m {
        Measured { over_wires_mm: Some(v), .. } => ("wires", *v),
        Measured { over_one_wire_mm: Some(v), .. } => ("wire", *v),
        Measured { pitch_diameter_mm: Some(v), .. } => ("micrometer", *v),
        Measured { between_balls_mm: Some(v), balls, .. } => (if *balls == Some(2) { "two-balls" } else { "three-balls" }, *v),
        Measured { root_mm: Some(v), .. } => ("roots", *v),
        Measured { plug: Some(went), .. } => {
            return match went {
                GaugeResult::GoStops => say!(voice, "story-go-stops"),
                GaugeResult::GoGoes => say!(voice, "story-go-goes"),
                GaugeResult::NotGoGoes => say!(voice, "story-not-go-goes"),
            };
        }
        _ => ("nothing", 0.0),
    };
    say!(
        voice,
        "story-read",
        by = by,
        size = voice.length(size),
        sized = if m.wire_mm.is_some() { "yes" } else { "no" },
        wire = voice.length(m.wire_mm.unwrap_or(0.0)),
        places = m.places.len(),
        named = if m.instrument.is_some() { "yes" } else { "no" },
        instrument = m.instrument.as_deref().unwrap_or_default()
    )
}

fn tried(fit: Fit, voice: Voice) -> String {
    match fit {
        Fit::Enters { turns } => say!(voice, "story-enters", turns = plain_text(turns, 1)),
        Fit::Shakes { shake_mm } => say!(voice, "story-shakes", shake = voice.length(shake_mm)),
        Fit::LaidOn { off_mm } => say!(voice, "story-laid-on", off = voice.length(off_mm)),
        Fit::WontEnter => say!(voice, "story-wont-enter"),
        Fit::Tight => say!(voice, "story-tight"),
        Fit::Free => say!(voice, "story-free"),
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
    let beside = |name, says: String, size: f64| Dimension::at(name, says, Quantity::given(voice, size), [WIDE + 4.0, y(size)]);
    // Figures that would stand on one another are left to the story beside.
    let mut dimensions = vec![beside("low", say!(voice, "dim-low-limit"), low), beside("high", say!(voice, "dim-high-limit"), high)];
    if (last.0 - low).abs().min((last.0 - high).abs()) > 0.14 * (top - bottom) {
        dimensions.push(beside("last", say!(voice, "dim-read-last"), last.0));
    }
    Some(Drawing::chart(
        voice,
        say!(voice, "story-sizes", low = voice.length(low), high = voice.length(high), first = voice.length(first.0), last = voice.length(last.0)),
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
