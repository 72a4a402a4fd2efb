//! A test piece: the same job on scrap first. What it found comes back to its part one by one, when that is said, and to no other.

use super::laid_out_for;
use crate::gauge::{SPRING_SD, spring_told, tip_told};
use crate::job::PlanRequest;
use crate::log::RunState;
use crate::plan::Pointed;
use crate::quantity::plain_text;
use crate::say;
use crate::voice::Voice;
use serde::{Deserialize, Serialize};
use serde_json::{Value, json};

/// What is kept of a test piece, beside its job.
#[derive(Debug, Clone, Default, PartialEq, Serialize, Deserialize)]
#[serde(default, deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct TestPieceFacts {
    /// The job it is cut for.
    pub of: String,
}

/// One thing a test piece found, and the change of its part's facts that takes it over.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Correction {
    /// What it is of: `tip`, `spring`, `angle`, `reaction`, `relief`, or the field told otherwise.
    pub code: &'static str,
    /// In words.
    pub says: String,
    /// The change of the part's request, a merge patch.
    #[cfg_attr(feature = "schema", schema(value_type = Object))]
    pub change: Value,
}

/// A share of spring is found once its doubt is under this part of what is guessed before anything is read. House value.
const SPRING_FOUND: f64 = 0.75;

/// How a field is said.
#[derive(Clone, Copy)]
enum In {
    Length,
    Degrees,
    Seconds,
    Rpm,
}

/// Facts that may be told otherwise of the test piece than of its part, and belong to the job rather than to the piece of metal.
const FIELDS: &[(&str, &str, In)] = &[
    ("bit", "included_angle_deg", In::Degrees),
    ("bit", "tip_flat_mm", In::Length),
    ("bit", "tip_radius_mm", In::Length),
    ("bit", "leading_relief_deg", In::Degrees),
    ("bit", "trailing_relief_deg", In::Degrees),
    ("bit", "rake_deg", In::Degrees),
    ("bit", "height_mm", In::Length),
    ("blank", "relief_width_mm", In::Length),
    ("blank", "relief_diameter_mm", In::Length),
    ("blank", "chamfer_mm", In::Length),
    ("setup", "runout_mm", In::Length),
    ("setup", "reaction_s", In::Seconds),
    ("setup", "spindle_rpm", In::Rpm),
    ("setup", "backlash_mm", In::Length),
    ("cut", "compound_angle_deg", In::Degrees),
];

/// What a test piece found that its part is not told yet: by its readings first, then what was told of it otherwise.
#[must_use]
pub fn corrections([part, test]: [&PlanRequest; 2], plan: &Pointed<'_>, run: &RunState, voice: Voice) -> Vec<Correction> {
    let mut all = found(test, plan, run, voice);
    // What was found stands over what was told of the same, and once taken over it stands in the part's facts.
    let by_cutting: Vec<&str> = all.iter().map(|c| c.code).collect();
    let [here, there] = [part, test].map(|request| serde_json::to_value(request).unwrap_or_default());
    all.retain(|c| !holds(Some(&here), &c.change));
    for (section, field, kind) in FIELDS {
        let found = match *field {
            "tip_flat_mm" | "tip_radius_mm" => "tip",
            "included_angle_deg" => "angle",
            "reaction_s" => "reaction",
            "relief_width_mm" => "relief",
            _ => field,
        };
        let at = format!("/{section}/{field}");
        let [is, was] = [&there, &here].map(|request| request.pointer(&at).and_then(Value::as_f64));
        if is == was || is.is_none() || by_cutting.contains(&found) {
            continue;
        }
        let said = |figure: Option<f64>| figure.map_or_else(|| say!(voice, "test-piece-untold"), |figure| kind.says(figure, voice));
        all.push(Correction {
            code: field,
            says: say!(voice, "test-piece-field", what = say!(voice, "test-piece-what", field = *field), there = said(is), here = said(was)),
            change: json!({ *section: { *field: is } }),
        });
    }
    all
}

impl In {
    fn says(self, figure: f64, voice: Voice) -> String {
        match self {
            Self::Length => voice.length(figure),
            Self::Degrees => voice.angle(figure),
            Self::Seconds => format!("{} s", plain_text(figure, 2)),
            Self::Rpm => format!("{} rpm", plain_text(figure, 0)),
        }
    }
}

/// What its readings and its passes found.
fn found(test: &PlanRequest, plan: &Pointed<'_>, run: &RunState, voice: Voice) -> Vec<Correction> {
    let mut all = Vec::new();
    let read = run.tip.as_ref().filter(|tip| tip.readings > 0);
    if let Some(tip) = read {
        all.push(Correction {
            code: "tip",
            says: say!(voice, "test-piece-tip", tip = voice.length(tip.flat_mm), doubt = voice.length(tip.doubt_mm)),
            change: tip_told(laid_out_for(tip, 0.0)),
        });
    }
    // What is no surer than a guess was not found.
    if let Some(tip) = read.filter(|tip| tip.spring_doubt < SPRING_FOUND * 2.0 * SPRING_SD) {
        let [share, doubt] = [tip.spring, tip.spring_doubt].map(|share| plain_text(100.0 * share, 0));
        all.push(Correction {
            code: "spring",
            says: say!(voice, "test-piece-spring", share = share, doubt = doubt),
            change: spring_told(tip.spring, tip.spring_doubt),
        });
    }
    if let Some(flank) = &run.flank {
        let found = 2.0 * flank.half_angle_deg;
        let told = test.bit.included_angle_deg.unwrap_or_else(|| plan.thread.flanks().included_deg());
        if (found - told).abs() > 2.0 * flank.doubt_deg {
            // As near as two wires tell it, and a bit is ground.
            let found = (10.0 * found).round() / 10.0;
            let [said, doubt, told] = [found, (20.0 * flank.doubt_deg).ceil() / 10.0, told].map(|deg| voice.angle(deg));
            all.push(Correction {
                code: "angle",
                says: say!(voice, "test-piece-angle", found = said, doubt = doubt, told = told),
                change: json!({"bit": {"included_angle_deg": found}}),
            });
        }
    }
    let past = run.overran_mm.iter().copied().fold(0.0, f64::max);
    if let Some(rpm) = plan.setup.speed_rpm.as_ref().map(|rpm| rpm.value).filter(|rpm| past > 0.0 && *rpm > 0.0) {
        let more = past / (plan.thread.lead_mm.value * rpm / 60.0);
        let now = (100.0 * (plan.setup.reaction_s + more)).ceil() / 100.0;
        all.push(Correction {
            code: "reaction",
            says: say!(voice, "test-piece-reaction", past = voice.about(past), rpm = plain_text(rpm, 0), more = plain_text(more, 2), now = plain_text(now, 2)),
            change: json!({"setup": {"reaction_s": now}}),
        });
    }
    // Or the room it took instead, to the tenth of a rule, never under.
    if let Some(relief) = plan.blank.relief.as_ref().filter(|_| past > 0.0) {
        let wide = test.blank.relief_width_mm.unwrap_or(relief.width_mm.value) + past;
        let wide = (10.0 * wide).ceil() / 10.0;
        all.push(Correction {
            code: "relief",
            says: say!(voice, "test-piece-relief", past = voice.about(past), wide = voice.about(wide)),
            change: json!({"blank": {"relief_width_mm": wide}}),
        });
    }
    all
}

/// Whether a request holds all a merge patch would set, and nothing it would take away.
fn holds(request: Option<&Value>, change: &Value) -> bool {
    match change {
        Value::Null => request.is_none_or(Value::is_null),
        Value::Object(fields) => fields.iter().all(|(field, to)| holds(request.and_then(|r| r.get(field)), to)),
        to => request == Some(to),
    }
}
