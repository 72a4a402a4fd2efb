//! Shown: a drill played as it should be, and each mistake of it as it is usually made.

use super::drill::{Begun, Drill, HandAct};
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
    }
}

/// The lever pressed so much of a tooth from the next place that serves.
fn catch(begun: &Begun, share: f64) -> Vec<Pressed> {
    let mut hand = Player::of(begun);
    #[allow(clippy::cast_precision_loss)] // teeth of gears
    let apart = super::scene::apart(&begun.scene.machine) as f64;
    let counted = begun.lathe.stands().counted;
    let next = if counted.sense() > 0.0 { (counted.at / apart).ceil() + 1.0 } else { (counted.at / apart).floor() - 1.0 } * apart;
    let in_s = counted.first(next).unwrap_or(0.0) + share * tooth_s(&begun.scene);
    hand.wait(Cue::Seconds(in_s.max(0.0)));
    hand.press(HandAct::Close);
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
    hand.press(HandAct::Stop);
    hand.wait(Cue::Still);
    hand.pause();
    hand.press(HandAct::Back);
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
    // Stopped before the start by what it coasts: there may be a shoulder behind it.
    hand.comes_to(scene.start_mm + scene.machine.cuts * scene.coasts(scene.rps) * scene.work.lead_mm);
    hand.press(HandAct::Stop);
    hand.wait(Cue::Still);
    hand.pause();
    hand.press(HandAct::In);
    hand.wait(Cue::Still);
    hand.pause();
    hand.press(HandAct::Go);
    hand.keys
}

/// Each way a drill may go, judged.
#[must_use]
pub fn shown(drill: Drill, ending: Ending, begun: &Begun, voice: Voice) -> Vec<PlayView> {
    let played = plays(drill, ending, begun).into_iter().map(|(code, keys)| {
        let (tried, _) = judge(drill, begun.clone(), &keys, voice);
        PlayView { code, name: say!(voice, "rehearse-play", play = code), keys, tried }
    });
    played.collect()
}
