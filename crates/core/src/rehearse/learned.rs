//! What the tries of a hand say: its time and spread, the room that asks for, the fastest speed that fits, and what may be told of it.

use super::drill::Drill;
use super::hand::{FEWEST, Hand, Stop, THROWN_AWAY, once_in};
use super::judge::Kept;
use super::scene::{BY_HAND_RPS, Scene};
use super::tries::Tries;
use crate::job::{Lathe, Speeds};
use crate::plan::Pointed;
use crate::quantity::plain_text;
use crate::say;
use crate::voice::Voice;
use serde::Serialize;
use serde_json::{Value, json};

/// How much faster than it was tried a hand at the lathe may be sent. House value.
const LIFTS: f64 = 1.5;

/// A hand, as far as it is known.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct HandView {
    /// Of which way of stopping: `open`, `spindle`, `hand`; `lathe_open`, `lathe_spindle` at the lathe itself.
    pub sample: &'static str,
    /// Tries that count.
    pub tries: usize,
    /// Mean, s; absent before there are enough.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub mean_s: Option<f64>,
    /// Spread, s.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub spread_s: Option<f64>,
    /// Doubt of the mean, s.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub doubt_s: Option<f64>,
    /// What is passed once in a thousand passes, s.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub reckoned_s: Option<f64>,
    /// What that says, sentence by sentence.
    pub says: Vec<String>,
    /// The change of the job's facts that takes it over, where it is slower than what is reckoned with; never where it is faster.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub change: Option<Value>,
}

/// The lathe, its speed and its lead, in a line.
pub(super) fn at_says(lathe: &str, scene: &Scene, voice: Voice) -> String {
    say!(voice, "rehearse-at", lathe = lathe, rpm = plain_text(scene.rps.abs() * 60.0, 0), lead = voice.about(scene.work.lead_mm))
}

/// Each way of stopping that was tried.
#[must_use]
pub fn hands(plan: &Pointed<'_>, scene: &Scene, lathe: &Lathe, tries: &Tries) -> Vec<HandView> {
    ["lathe_open", "lathe_spindle", "open", "spindle", "hand"]
        .into_iter()
        .filter(|s| !tries.of(s).is_empty())
        .map(|sample| view(sample, plan, scene, lathe, tries.of(sample)))
        .collect()
}

fn view(sample: &'static str, plan: &Pointed<'_>, scene: &Scene, lathe: &Lathe, tries: &[Kept]) -> HandView {
    let voice = plan.voice;
    let stops: Vec<Stop> = tries.iter().copied().filter(Kept::is_sound).map(Stop::from).collect();
    let counted = stops.len().saturating_sub(THROWN_AWAY);
    let Some(hand) = Hand::of(&stops) else {
        let wanted = (FEWEST + THROWN_AWAY).saturating_sub(stops.len());
        let says = vec![say!(voice, "rehearse-too-few", more = wanted, thrown = THROWN_AWAY)];
        return HandView { sample, tries: counted, mean_s: None, spread_s: None, doubt_s: None, reckoned_s: None, says, change: None };
    };
    let at_lathe = sample.strip_prefix("lathe_");
    let (hundredth, over) = (|v: f64| (v * 100.0).round() / 100.0, |v: f64| (v * 100.0).ceil() / 100.0);
    let slower = over(hand.reckoned_s);
    let mut says = vec![say!(
        voice,
        "rehearse-hand",
        sample = at_lathe.unwrap_or(sample),
        tries = hand.tries,
        mean = plain_text(hand.mean_s, 2),
        doubt = plain_text(over(hand.doubt_s), 2),
        spread = plain_text(hand.spread_s, 2),
        reckoned = plain_text(slower, 2)
    )];
    says.extend(room(sample, &hand, plan, scene, lathe));
    let told = sample != "hand" && Some(at_lathe.unwrap_or(sample)) == Drill::stopping(plan.setup.ending).sample();
    let fits = told && slower <= 5.0;
    // A key is not a lever: it may make what is reckoned with slower, never faster. What was stopped at the lathe may do both, and lifts what
    // holds an unmeasured hand, so far as it was tried.
    let most = (stops.iter().map(|s| s.rps).fold(0.0, f64::max) * 60.0 * LIFTS).floor();
    let change = match at_lathe {
        Some(_) => fits.then(|| json!({"setup": {"reaction_s": slower.max(0.05), "comfort_rpm": most}})),
        None => (fits && slower > plan.setup.reaction_s + 1e-9).then(|| json!({"setup": {"reaction_s": slower}})),
    };
    says.push(if change.is_some() && at_lathe.is_some() {
        say!(voice, "rehearse-at-lathe", reckoned = plain_text(slower, 2), now = plain_text(plan.setup.reaction_s, 2), most = plain_text(most, 0))
    } else if change.is_some() {
        say!(voice, "rehearse-slower", reckoned = plain_text(slower, 2), now = plain_text(plan.setup.reaction_s, 2))
    } else if told {
        say!(voice, "rehearse-not-faster", now = plain_text(plan.setup.reaction_s, 2))
    } else {
        say!(voice, "rehearse-other-way")
    });
    HandView {
        sample,
        tries: hand.tries,
        mean_s: Some(hundredth(hand.mean_s)),
        spread_s: Some(hundredth(hand.spread_s)),
        doubt_s: Some(hundredth(hand.doubt_s)),
        reckoned_s: Some(slower),
        says,
        change,
    }
}

/// What the hand asks of the room past the mark, the speed that keeps to it, and what another millimetre would allow.
fn room(sample: &'static str, hand: &Hand, plan: &Pointed<'_>, scene: &Scene, lathe: &Lathe) -> Vec<String> {
    let voice = plan.voice;
    let coast = |rps: f64| if sample.ends_with("spindle") { scene.coasts(rps) } else { 0.0 };
    let lead = scene.work.lead_mm;
    let rps = if sample == "hand" { BY_HAND_RPS } else { scene.rps.abs() };
    let needs = hand.room_mm(lead, rps, coast(rps));
    #[allow(clippy::cast_possible_truncation)] // passes of a job
    let passes = (plan.cut.passes.len() as u32).saturating_mul(u32::from(plan.thread.starts)).max(1);
    let once = once_in(passes);
    let once = if once >= 20.0 { (once / 10.0).round() * 10.0 } else { once.round() };
    let mut says = vec![say!(voice, "rehearse-room", needs = voice.least(needs), rpm = plain_text(rps * 60.0, 0), passes = passes, once = plain_text(once, 0))];
    let moves = hand.mark_moves_mm(lead, rps, coast(rps));
    if hand.short > super::hand::SHORT_SHARE {
        says.push(say!(voice, "rehearse-short-share", share = plain_text(100.0 * hand.short, 0), moves = voice.least(moves)));
    }
    if sample == "hand" {
        return says;
    }
    match scene.room_mm {
        None => says.push(say!(voice, "rehearse-no-room-known")),
        Some(there) => {
            let fastest = |room: f64| match &lathe.speeds {
                Speeds::Steps(steps) => hand.fastest(steps.iter().map(|rpm| rpm / 60.0), lead, room, coast),
                Speeds::Between { from, to } => {
                    let speeds = (0..=200).map(|i| (from + (to - from) * f64::from(i) / 200.0) / 60.0);
                    hand.fastest(speeds, lead, room, coast)
                }
            };
            let said = |n: Option<f64>| n.map_or_else(|| "no".to_owned(), |n| plain_text((n * 60.0).floor(), 0));
            says.push(say!(
                voice,
                "rehearse-fits",
                there = voice.about(there),
                fits = said(fastest(there)),
                more = voice.coarse(1.0),
                then = said(fastest(there + 1.0))
            ));
        }
    }
    says
}
