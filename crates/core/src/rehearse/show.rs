//! Shown: a drill played as it should be, and each mistake of it as it is usually made.

use super::begun::Begun;
use super::drill::{Drill, HandAct};
use super::judge::{Pressed, TryView, judge};
use super::scene::tooth_s;
use crate::job::Ending;
use crate::say;
use crate::voice::Voice;
use serde::Serialize;
use yoke_standin::Cue;

/// One way a drill may go.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct PlayView {
    /// Stable name: `right`, or the mistake.
    pub code: &'static str,
    /// What it is called.
    pub name: String,
    /// The keys, as a hand would press them.
    pub keys: Vec<Pressed>,
    /// What comes of it.
    pub tried: TryView,
}

/// How late a hand is that is taken by surprise, and how early one that will not wait, s. House values.
const SURPRISED_S: f64 = 1.1;
const HASTY_S: f64 = 0.8;
/// A hand's pause between two acts, s. House value.
const PAUSE_S: f64 = 0.25;
/// How late a hand is that winds past its figure, s. House value.
const PAST_S: f64 = 0.6;
/// Share of a tooth the lever is pressed before the mark that serves, and after one that was missed.
const PRESSED: [f64; 2] = [-0.05, 0.3];

/// Plays a hand on the lathe as it stands at the beginning, and keeps what it pressed.
struct Player {
    begun: Begun,
    began: f64,
    keys: Vec<Pressed>,
}

impl Player {
    fn of(begun: &Begun) -> Self {
        Self { began: begun.lathe.now_s(), begun: begun.clone(), keys: Vec::new() }
    }

    fn wait(&mut self, cue: Cue) {
        self.begun.lathe.wait(cue, self.begun.lasts_s);
    }

    /// Until the point stands at a place.
    fn comes_to(&mut self, point_mm: f64) {
        let stands = self.begun.lathe.stands();
        let off = stands.tip(&self.begun.scene.machine)[0].at - stands.carriage.at;
        self.wait(Cue::Place(point_mm - off));
    }

    fn press(&mut self, act: HandAct) {
        let at_s = self.begun.lathe.now_s() - self.began;
        for told in self.begun.told(act) {
            let _ = self.begun.lathe.act(told);
        }
        self.keys.push(Pressed { at_s, act });
    }

    /// Presses the lever so much of a tooth from the next place that serves.
    fn catches(&mut self, share: f64) {
        #[allow(clippy::cast_precision_loss)] // teeth of gears
        let apart = super::scene::apart(&self.begun.scene.machine) as f64;
        let counted = self.begun.lathe.stands().counted;
        let next = if counted.sense() > 0.0 { (counted.at / apart).ceil() + 1.0 } else { (counted.at / apart).floor() - 1.0 } * apart;
        let in_s = counted.first(next).unwrap_or(0.0) + share * tooth_s(&self.begun.scene);
        self.wait(Cue::Seconds(in_s.max(0.0)));
        self.press(HandAct::Close);
    }

    /// Until all stands still, and a pause more.
    fn rests(&mut self) {
        self.wait(Cue::Still);
        self.pause();
    }

    /// Stops, and sets the spindle going the other way.
    fn turns_back(&mut self) {
        self.press(HandAct::Stop);
        self.rests();
        self.press(HandAct::Back);
    }

    fn pause(&mut self) {
        self.wait(Cue::Seconds(PAUSE_S));
    }
}

/// Keys of each way a drill may go.
fn plays(drill: Drill, ending: Ending, begun: &Begun) -> Vec<(&'static str, Vec<Pressed>)> {
    let scene = &begun.scene;
    let act = drill.acts(ending)[0];
    let before = |s: f64| scene.mark_mm - scene.machine.cuts * scene.goes_mm_s() * s;
    let stop = |early_s: f64, late_s: f64| {
        let mut hand = Player::of(begun);
        hand.comes_to(before(early_s));
        hand.wait(Cue::Seconds(late_s));
        hand.press(act);
        hand.keys
    };
    match drill {
        Drill::StopOpen | Drill::StopSpindle | Drill::StopHand | Drill::FirstPass => {
            vec![("right", stop(0.0, 0.0)), ("late", stop(0.0, SURPRISED_S)), ("early", stop(HASTY_S, 0.0)), ("nobody", Vec::new())]
        }
        Drill::CatchMark => [("right", PRESSED[0]), ("missed", PRESSED[1])].map(|(code, share)| (code, catch(begun, share))).into(),
        Drill::Cycle => vec![
            ("right", cycle(begun, Order::Right)),
            ("tool-in", cycle(begun, Order::ReversedIn)),
            ("over-metal", cycle(begun, Order::FedOver)),
            ("nobody", Vec::new()),
        ],
        Drill::OpenCycle => vec![
            ("right", open_cycle(begun, PRESSED[0], false)),
            ("missed", open_cycle(begun, PRESSED[1], false)),
            ("over-metal", open_cycle(begun, PRESSED[0], true)),
            ("nobody", Vec::new()),
        ],
        Drill::ToZero => vec![("right", to_zero(begun, 0.0, 1)), ("past-nought", to_zero(begun, PAST_S, 1)), ("twice", to_zero(begun, 0.0, 2))],
        Drill::Away => vec![
            ("right", away(begun, Slip::None)),
            ("wrong-way", away(begun, Slip::WrongWay)),
            ("over-metal", away(begun, Slip::StoppedShort)),
            ("ran-back", away(begun, Slip::NobodyBack)),
        ],
    }
}

/// The whole cycle by the dial: the lever pressed so much of a tooth from a place that serves, or the tool fed in half the way back.
fn open_cycle(begun: &Begun, share: f64, fed_over: bool) -> Vec<Pressed> {
    let scene = &begun.scene;
    let mut hand = Player::of(begun);
    hand.comes_to(scene.mark_mm);
    hand.press(HandAct::Open);
    hand.pause();
    hand.press(HandAct::Wind);
    if fed_over {
        hand.comes_to(f64::midpoint(scene.mark_mm, scene.start_mm));
        hand.press(HandAct::In);
        hand.wait(Cue::Seconds(1.0));
        return hand.keys;
    }
    hand.wait(Cue::Place(scene.start_mm));
    hand.pause();
    hand.press(HandAct::In);
    hand.wait(Cue::Seconds(1.0));
    hand.catches(share);
    hand.keys
}

/// The cross-slide to nought by its dial, held so much late; the depth set on so many times.
fn to_zero(begun: &Begun, late_s: f64, steps: u32) -> Vec<Pressed> {
    let mut hand = Player::of(begun);
    hand.pause();
    hand.press(HandAct::In);
    hand.rests();
    hand.press(HandAct::Slowly);
    let in_s = hand.begun.lathe.stands().dials[0].first(begun.setting[0]).unwrap_or(0.0);
    hand.wait(Cue::Seconds(in_s + late_s));
    hand.press(HandAct::Hold);
    hand.pause();
    for _ in 0..steps {
        hand.press(HandAct::Deeper);
        hand.rests();
    }
    hand.press(HandAct::Go);
    hand.keys
}

/// What slips in a cycle away from the chuck.
#[derive(Clone, Copy, PartialEq)]
enum Slip {
    None,
    /// The spindle set going forward, as it is everywhere else.
    WrongWay,
    /// Stopped before the relief, and fed in.
    StoppedShort,
    /// Nobody stops it coming back.
    NobodyBack,
}

fn away(begun: &Begun, slip: Slip) -> Vec<Pressed> {
    let scene = begun.scene.clone();
    let mut hand = Player::of(begun);
    hand.pause();
    hand.press(HandAct::In);
    hand.rests();
    if slip == Slip::WrongWay {
        hand.press(HandAct::Back);
        return hand.keys;
    }
    hand.press(HandAct::Go);
    hand.comes_to(scene.mark_mm);
    hand.press(HandAct::Out);
    hand.pause();
    hand.turns_back();
    match slip {
        Slip::NobodyBack => return hand.keys,
        Slip::StoppedShort => hand.comes_to(f64::midpoint(scene.mark_mm, scene.start_mm)),
        _ => hand.comes_to(scene.back_at_mm()),
    }
    hand.press(HandAct::Stop);
    if slip == Slip::StoppedShort {
        hand.wait(Cue::Still);
        hand.press(HandAct::In);
    }
    hand.keys
}

/// The lever pressed so much of a tooth from the next place that serves.
fn catch(begun: &Begun, share: f64) -> Vec<Pressed> {
    let mut hand = Player::of(begun);
    hand.catches(share);
    hand.keys
}

/// How the cycle goes.
#[derive(Clone, Copy, PartialEq)]
enum Order {
    Right,
    /// Reversed before the tool is out.
    ReversedIn,
    /// Fed in again before the start.
    FedOver,
}

fn cycle(begun: &Begun, order: Order) -> Vec<Pressed> {
    let scene = begun.scene.clone();
    let mut hand = Player::of(begun);
    hand.comes_to(scene.mark_mm);
    if order != Order::ReversedIn {
        hand.press(HandAct::Out);
        hand.pause();
    }
    hand.turns_back();
    let start = begun.lathe.stands().tip(&scene.machine)[0].at;
    if order == Order::ReversedIn {
        hand.wait(Cue::Seconds(2.0));
        hand.press(HandAct::Out);
    }
    if order == Order::FedOver {
        hand.comes_to(f64::midpoint(scene.mark_mm, start));
        hand.press(HandAct::Stop);
        hand.wait(Cue::Still);
        hand.press(HandAct::In);
        hand.wait(Cue::Still);
        return hand.keys;
    }
    hand.comes_to(scene.back_at_mm());
    hand.press(HandAct::Stop);
    hand.rests();
    hand.press(HandAct::In);
    hand.rests();
    hand.press(HandAct::Go);
    hand.keys
}

/// Each way a drill may go, judged.
#[must_use]
pub fn shown(drill: Drill, ending: Ending, begun: &Begun, voice: Voice) -> Vec<PlayView> {
    let played = plays(drill, ending, begun).into_iter().map(|(code, keys)| {
        let (tried, _) = judge(begun.clone(), &keys, voice);
        PlayView { code, name: say!(voice, "rehearse-play", play = code), keys, tried }
    });
    played.collect()
}
