//! What is this thread? From whatever could be measured of a worn sample to a ranked list of standard
//! threads, what agrees with each, and the measurement that would part the first two.

mod drawing;
mod known;
mod sample;
mod score;

pub use sample::{Doubts, OverWires, Sample, SampleRequest};

use crate::SpecialRequest;
use crate::direction::Hand;
use crate::outline::Drawing;
use crate::quantity::{Exact, degrees_text, plain_text};
use crate::system::Side;
use crate::voice::Voice;
pub use known::{REFERENCE_THREADS, ReferenceThread};
use score::{Score, judge, next_check};
use serde::Serialize;
use yoke_ground::say;

/// One standard thread the sample may be.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Candidate {
    /// The callout that makes a job of it, hand, starts and side included.
    pub callout: String,
    /// The size as it is called.
    pub name: String,
    /// The form in a word or two, with its angle.
    pub form: String,
    /// Others with the same diameter, pitch, angle and starts: on the bench they are one.
    pub also: Vec<String>,
    /// 1 for a perfect match, falling toward 0.
    pub score: f64,
    /// What agrees.
    pub agrees: Vec<String>,
    /// What does not.
    pub disagrees: Vec<String>,
    /// The measurement that would part it from its nearest rival.
    pub next_check: Option<String>,
    /// Set when it fits only if the spaces were counted one out: the count that fits.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub spaces: Option<i64>,
}

/// What a sample may be.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Identified {
    /// The pitch the sample tells, mm.
    pub pitch_mm: Option<f64>,
    /// Best first; at most eight.
    pub candidates: Vec<Candidate>,
    /// What the depth says of the form, and what to do when nothing fits.
    pub says: Vec<String>,
    /// The sample's own sizes as a special thread, once it has a diameter and a pitch.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub special: Option<SpecialRequest>,
    /// The sample as told so far.
    pub drawing: Drawing,
}

/// Costs past this are no match worth naming: five times the doubt on one measurement.
const WORST: f64 = 30.0;
/// How many are listed.
const LISTED: usize = 8;

/// Ranks the standard threads by how well they agree with a sample.
#[must_use]
pub fn identify(sample: &Sample, voice: Voice) -> Identified {
    let mut ranked: Vec<(Score, &ReferenceThread)> =
        REFERENCE_THREADS.iter().map(|k| (judge(sample, k, false, voice), k)).filter(|(j, _)| j.cost < WORST && j.told > 0).collect();
    // Ties keep the order of the series, common before rare.
    ranked.sort_by(|a, b| a.0.cost.total_cmp(&b.0.cost));
    let mut kept: Vec<(Score, &ReferenceThread, Vec<String>)> = Vec::new();
    for (judged, known) in ranked {
        if let Some((_, _, also)) = kept.iter_mut().find(|(_, k, _)| k.same_on_the_bench(known)) {
            also.push(known.standard.name.clone());
        } else if kept.len() < LISTED {
            kept.push((judged, known, Vec::new()));
        }
    }
    let candidates: Vec<Candidate> = kept
        .iter()
        .enumerate()
        .map(|(i, (_, known, also))| {
            let judged = judge(sample, known, true, voice);
            let score = (judged.score() * 1000.0).round() / 1000.0;
            let rival = if i == 0 { kept.get(1) } else { kept.first() };
            Candidate {
                callout: callout(sample, known),
                name: known.standard.name.clone(),
                form: format!("{}, {}°", known.standard.system.family().word(), degrees_text(2.0 * known.alpha_deg)),
                also: also.clone(),
                score,
                agrees: judged.agrees,
                disagrees: judged.disagrees,
                next_check: rival.map(|(_, other, _)| next_check(sample, known, other, voice)),
                spaces: judged.spaces,
            }
        })
        .collect();
    // An angle that is not told is drawn as the likeliest thread's.
    let drawing = drawing::sample(sample, sample.angle_deg.or_else(|| kept.first().map(|(_, known, _)| 2.0 * known.alpha_deg)).unwrap_or(60.0), voice);
    let mut says: Vec<String> = form_of_depth(sample, voice).into_iter().collect();
    if candidates.is_empty() && sample.tells_something() {
        says.push(say!(voice, "sample-nothing-near"));
    }
    Identified { pitch_mm: sample.pitch_mm().map(|p| (p * 1e4).round() / 1e4), candidates, says, special: special(sample), drawing }
}

/// The callout of a candidate, with what the sample says of hand, starts and side.
fn callout(sample: &Sample, known: &ReferenceThread) -> String {
    let mut text = known.standard.name.clone();
    if sample.starts > 1 {
        text.push_str(&format!(" {} start", sample.starts));
    }
    if sample.side == Side::Internal {
        text.push_str(" nut");
    }
    if sample.hand == Some(Hand::Left) {
        text.push_str(" LH");
    }
    text
}

/// What depth over pitch says of the form, where no angle is known.
fn form_of_depth(sample: &Sample, voice: Voice) -> Option<String> {
    let (Side::External, Some(major), Some(minor), Some(pitch), None) = (sample.side, sample.major_mm, sample.minor_mm, sample.pitch_mm(), sample.angle_deg)
    else {
        return None;
    };
    let share = (major - minor) / 2.0 / pitch;
    let depth = match share {
        s if s < 0.42 => "stub",
        s if s < 0.50 => "between",
        s if s <= 0.63 => "several",
        s if s <= 0.80 => "fifty-five",
        _ => "deeper",
    };
    let [acme, sixty, square] = [0.37, 0.125, 0.5].map(|k| voice.length(k * pitch));
    Some(say!(voice, "sample-depth", share = plain_text(share, 2), depth = depth, acme = acme, sixty = sixty, square = square))
}

/// The sample's own sizes as a special.
fn special(sample: &Sample) -> Option<SpecialRequest> {
    let exact = |v: f64| Exact::parse(&plain_text(v, 4));
    let (major, pitch) = (sample.major_mm?, sample.pitch_mm()?);
    Some(SpecialRequest {
        major_mm: exact(major),
        pitch_mm: exact(pitch),
        included_angle_deg: Some(sample.angle_deg.unwrap_or(60.0)),
        minor_mm: sample.minor_mm,
        ..SpecialRequest::default()
    })
}
