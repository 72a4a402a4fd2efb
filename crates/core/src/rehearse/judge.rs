//! A try, judged: the keys at the hand's own times done at the lathe that stands in, and what came of it.

use super::begun::Begun;
use super::by_hand;
use super::drawing;
use super::drill::{Drill, HandAct};
use super::hand::Stop;
use super::scene::{apart, tooth_s};
use super::stretch::StretchView;
use super::told::told;
use crate::outline::Drawing;
use crate::quantity::plain_text;
use crate::say;
use crate::voice::Voice;
use crate::working::Quantity;
use serde::{Deserialize, Serialize};
use yoke_standin::{Act, Fault, Meant, Scene as Stage, Seen, What};

/// One key, when the hand pressed it.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Pressed {
    /// Seconds since the try began.
    pub at_s: f64,
    /// What it does.
    pub act: HandAct,
}

/// What went wrong, in words.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct FaultView {
    /// Stable name.
    pub code: &'static str,
    /// What happened.
    pub says: String,
    /// What it would have cost.
    pub cost: String,
}

/// A try as it came out.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct TryView {
    /// In one line: how far, how early or late, which mark.
    pub says: String,
    /// What came after that, of a drill of more than one act.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub then: Option<String>,
    /// Whether nothing went wrong.
    pub good: bool,
    /// What went wrong, the weightiest first.
    pub faults: Vec<FaultView>,
    /// One sentence of advice.
    pub advice: String,
    /// Seconds after the mark the hand acted; absent where nothing was to be stopped.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub late_s: Option<f64>,
    /// Where the carriage came to rest past the mark; under nought before it.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub past_mm: Option<Quantity>,
    /// Seconds after which nothing more was to be done: it had run into something.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub ends_s: Option<f64>,
    /// Everything as it moved.
    pub stretches: Vec<StretchView>,
    /// The groove as it would be, the one meant dashed over it.
    pub groove: Drawing,
}

/// What of a try counts for the hand.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
pub struct Kept {
    /// Which try it was, a number of its own: told twice it counts once.
    #[serde(default)]
    pub id: u64,
    /// Where it came to rest past the mark, mm.
    pub past_mm: f64,
    /// Lead, mm.
    pub lead_mm: f64,
    /// Turns a second.
    pub rps: f64,
    /// Turns coasted.
    pub coast_turns: f64,
}

impl Kept {
    /// Whether it can be of a lathe at all: what comes from a file may be anything.
    #[must_use]
    pub fn is_sound(&self) -> bool {
        let within = |v: f64, most: f64| v > 0.0 && v < most;
        self.past_mm.abs() < 1e4 && within(self.lead_mm, 1e4) && within(self.rps, 1e3) && (0.0..1e3).contains(&self.coast_turns)
    }
}

impl From<Kept> for Stop {
    fn from(k: Kept) -> Self {
        Self { past_mm: k.past_mm, lead_mm: k.lead_mm, rps: k.rps, coast_turns: k.coast_turns }
    }
}

/// So long the next pass is looked at, s.
const GONE_S: f64 = 1.0;
/// Pitches of the next pass looked at, where what was rehearsed is how it begins.
const LOOKED_AT: f64 = 5.0;

/// How long is looked on after the last key, s: long enough for what coasts to come to rest, and for a spindle nobody stopped to run into
/// what stands there. Set going again, the next pass is not this one's, unless its beginning is what was rehearsed.
fn looks_on(begun: &Begun, began: f64, last: Option<HandAct>) -> f64 {
    let scene = &begun.scene;
    let pitch = scene.work.pitch_mm();
    let reach = (scene.start_mm - scene.mark_mm).abs();
    let into = (reach / 2.0).min((scene.start_mm - scene.work.begins(scene.machine.cuts)).abs() + LOOKED_AT * pitch);
    let into_s = into / scene.goes_mm_s() + scene.machine.spin_up_s + scene.machine.play_mm / scene.goes_mm_s();
    match (begun.drill, last) {
        (Drill::ToZero, Some(HandAct::Go)) => into_s,
        (Drill::OpenCycle, Some(HandAct::Close)) => into_s + tooth_s(scene),
        (Drill::Cycle, Some(HandAct::Go)) => GONE_S,
        _ => (began + begun.lasts_s - begun.lathe.now_s()).max(3.0),
    }
}

/// Judges a try, with what of it counts for the hand.
#[must_use]
pub fn judge(mut begun: Begun, keys: &[Pressed], voice: Voice) -> (TryView, Option<Kept>) {
    let (drill, began) = (begun.drill, begun.lathe.now_s());
    let mut keys: Vec<&Pressed> = keys.iter().filter(|k| (0.0..=begun.lasts_s).contains(&k.at_s)).collect();
    keys.sort_by(|a, b| a.at_s.total_cmp(&b.at_s));
    for key in &keys {
        begun.lathe.advance(began + key.at_s);
        for act in begun.told(key.act) {
            // What cannot be done, as winding while the half-nut holds, is not done.
            let _ = begun.lathe.act(act);
        }
    }
    let ends = begun.lathe.now_s() + looks_on(&begun, began, keys.last().map(|k| k.act));
    begun.lathe.advance(ends);
    let pressed = |act: HandAct| keys.iter().find(|k| k.act == act).map(|k| began + k.at_s);
    let seen = seen(&begun, began, pressed(HandAct::Close));
    let crashed = crashed_s(&seen);
    let faults: Vec<FaultView> = seen.iter().map(|s| said(&s.fault, apart(&begun.scene.machine), voice)).collect();
    let stops = !matches!(drill, Drill::CatchMark | Drill::ToZero | Drill::Away);
    let stopped = stops.then(|| stop(&begun, began)).flatten();
    let fell = caught(&begun, began);
    let caught = pressed(HandAct::Close).map(|at| (caught_says(&begun, fell, at, voice), fell.is_some()));
    let stop_says = stopped.as_ref().map_or_else(|| say!(voice, "rehearse-ran-on"), |stop| stop_says(stop, voice));
    let (says, then, right) = match (drill, keys.first(), caught) {
        (_, None, _) => (say!(voice, "rehearse-nothing-pressed"), None, false),
        (Drill::CatchMark, _, Some((says, right))) => (says, None, right),
        (Drill::OpenCycle, _, Some((says, right))) => (stop_says, Some(says), right),
        (Drill::OpenCycle, _, None) => (stop_says, Some(say!(voice, "rehearse-not-closed")), false),
        (Drill::ToZero, ..) => by_hand::to_zero(&begun, pressed(HandAct::Go), voice),
        (Drill::Away, ..) => by_hand::back(&begun, pressed(HandAct::Back), voice),
        _ => (stop_says, None, true),
    };
    let good = faults.is_empty() && right;
    let advice = say!(voice, "rehearse-advice", for = faults.first().map_or(if good { "good" } else { "nothing" }, |f| f.code), drill = drill.word());
    let view = TryView {
        says,
        then,
        good,
        advice,
        late_s: stopped.as_ref().map(|s| (late(s) * 1e3).round() / 1e3),
        past_mm: stopped.as_ref().map(|s| Quantity::about(voice, s.past_mm)),
        ends_s: crashed.map(|at| at - began),
        stretches: StretchView::all(&begun.lathe, &begun.scene.machine, began, crashed),
        groove: drawing::groove(&begun, [began, crashed.unwrap_or(f64::INFINITY)], voice),
        faults,
    };
    // Only a stop that was made tells of the hand.
    (view, stopped.filter(|_| drill.sample().is_some() && !keys.is_empty()))
}

/// What went wrong since the try began, the weightiest first.
fn seen(begun: &Begun, began: f64, closed: Option<f64>) -> Vec<Seen> {
    let scene = &begun.scene;
    let by_dial = begun.drill == Drill::ToZero;
    let meant = Meant { mark_mm: scene.mark_mm, depths_mm: if by_dial { begun.depths_mm.to_vec() } else { Vec::new() }, to_zero: by_dial };
    let stage = Stage { machine: &scene.machine, work: &scene.work, tool: &scene.tool, track: begun.lathe.track() };
    let mut seen: Vec<Seen> = stage.faults(&meant).into_iter().filter(|s| s.at_s >= began).collect();
    // Caught, it runs on with nobody to end the pass: that is not what was rehearsed.
    let runs_on = closed.unwrap_or(if begun.drill == Drill::CatchMark { began } else { f64::INFINITY });
    seen.retain(|s| s.at_s < runs_on || !begun.drill.catches() || !matches!(s.fault, Fault::Crash { .. }));
    // What comes after it ran into something comes no more.
    if let Some(crashed) = crashed_s(&seen) {
        seen.retain(|s| s.at_s <= crashed);
    }
    seen.sort_by(|a, b| weight(&b.fault).total_cmp(&weight(&a.fault)));
    seen
}

/// When it ran into something, first.
fn crashed_s(seen: &[Seen]) -> Option<f64> {
    seen.iter().filter(|s| matches!(s.fault, Fault::Crash { .. })).map(|s| s.at_s).min_by(f64::total_cmp)
}

fn stop_says(stop: &Kept, voice: Voice) -> String {
    say!(
        voice,
        "rehearse-stopped",
        off = voice.about(stop.past_mm.abs()),
        side = told(stop.past_mm, 0.05, ["before", "at", "past"]),
        late = plain_text(late(stop).abs(), 2),
        when = told(late(stop), 0.005, ["before", "at", "after"])
    )
}

fn late(kept: &Kept) -> f64 {
    Stop::from(*kept).late_s()
}

/// Where the carriage came to rest, first after the try began; where the thread is withdrawn at its mark, where the tip was clear.
fn stop(begun: &Begun, began: f64) -> Option<Kept> {
    let scene = &begun.scene;
    let cuts = scene.machine.cuts;
    let track = begun.lathe.track();
    let rests = |s: &&yoke_standin::Stretch| {
        let [_, depth] = s.tip(&scene.machine);
        s.from_s > began + 1e-9 && (s.carriage.sense() * cuts <= 0.0 || scene.withdraws && depth.at <= 0.0)
    };
    let [along, _] = track.stretches.iter().chain([&begun.lathe.stands()]).find(rests)?.tip(&scene.machine);
    let opened = track.happened.iter().any(|h| h.at_s >= began && matches!(h.what, What::Did(Act::Open)));
    let coast_turns = if opened || scene.withdraws { 0.0 } else { scene.coasts(scene.rps) };
    Some(Kept { id: 0, past_mm: (along.at - scene.mark_mm) * cuts, lead_mm: scene.machine.lead_mm().abs(), rps: scene.rps.abs(), coast_turns })
}

/// How the half-nut fell in the try: pitches of the screw, and when.
fn caught(begun: &Begun, began: f64) -> Option<(i64, f64)> {
    begun.lathe.track().happened.iter().find_map(|h| match h.what {
        What::Fell(pitches, _) if h.at_s >= began => Some((pitches, h.at_s)),
        _ => None,
    })
}

/// Teeth from the nearest place that serves, where it fell so many pitches from where it was closed first.
fn teeth_off(pitches: i64, apart: i128) -> i128 {
    let from = i128::from(pitches).rem_euclid(apart);
    if from * 2 > apart { from - apart } else { from }
}

fn caught_says(begun: &Begun, fell: Option<(i64, f64)>, pressed: f64, voice: Voice) -> String {
    let Some((pitches, _)) = fell else { return say!(voice, "rehearse-never-fell") };
    let scene = &begun.scene;
    let apart = apart(&scene.machine);
    let teeth = teeth_off(pitches, apart);
    // How far from the nearest place that serves the lever was pressed, in teeth of the screw and in time.
    let counted = begun.lathe.track().at(pressed).map_or(0.0, |s| s.counted.at);
    #[allow(clippy::cast_precision_loss)] // teeth of gears
    let n = apart as f64;
    let off = (counted - n * (counted / n).round()) * tooth_s(scene) * if begun.lathe.stands().counted.sense() < 0.0 { -1.0 } else { 1.0 };
    say!(
        voice,
        "rehearse-caught",
        groove = if teeth == 0 { "right" } else { "wrong" },
        teeth = teeth.abs(),
        off = plain_text(off.abs(), 2),
        when = if off < 0.0 { "before" } else { "after" }
    )
}

/// What weighs most is said first.
fn weight(fault: &Fault) -> f64 {
    match fault {
        Fault::Crash { .. } => 9.0,
        Fault::ChuckUnscrews => 8.0,
        Fault::ReversedIn(_) => 7.0,
        Fault::WrongMark(..) => 6.0,
        Fault::FedOverMetal(_) => 5.0,
        Fault::DepthTwice(_) => 4.0,
        Fault::OtherFlank(_) => 3.0,
        Fault::NotAtZero(_) => 2.0,
        Fault::Short(_) => 1.0,
    }
}

fn said(fault: &Fault, apart: i128, voice: Voice) -> FaultView {
    let (code, says) = match fault {
        Fault::Crash { past_mm, rate_mm_s, .. } => (
            "crash",
            say!(
                voice,
                "rehearse-fault-crash",
                past = voice.least(*past_mm),
                fast = voice.about(*rate_mm_s),
                stands = if *rate_mm_s < 1e-6 { "yes" } else { "no" }
            ),
        ),
        Fault::Short(by) => ("short", say!(voice, "rehearse-fault-short", by = voice.about(*by))),
        Fault::WrongMark(pitches, off) => {
            ("wrong-mark", say!(voice, "rehearse-fault-wrong-mark", pitches = teeth_off(*pitches, apart).abs(), off = voice.about(off.abs())))
        }
        Fault::ReversedIn(over) => ("reversed-in", say!(voice, "rehearse-fault-reversed", over = voice.about(*over))),
        Fault::FedOverMetal(deep) => ("fed-over", say!(voice, "rehearse-fault-fed-over", deep = voice.about(*deep))),
        Fault::OtherFlank(off) => ("other-flank", say!(voice, "rehearse-fault-flank", off = voice.about(*off))),
        Fault::NotAtZero(by) => ("not-at-zero", say!(voice, "rehearse-fault-zero", by = voice.about(by.abs()))),
        Fault::DepthTwice(by) => ("twice", say!(voice, "rehearse-fault-twice", by = voice.about(*by))),
        Fault::ChuckUnscrews => ("chuck", say!(voice, "rehearse-fault-chuck")),
    };
    FaultView { code, says, cost: say!(voice, "rehearse-cost", fault = code) }
}
