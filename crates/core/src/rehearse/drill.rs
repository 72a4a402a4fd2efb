//! What may be rehearsed of a job, and how each begins.

use super::scene::{BY_HAND_RPS, CLEAR_MM, Scene, apart, tooth_s};
use crate::gears::DialRule;
use crate::job::Ending;
use crate::plan::Pointed;
use crate::say;
use crate::voice::Voice;
use serde::{Deserialize, Serialize};
use yoke_standin::{Act, Cue, Lathe as StandIn, Nut, Slide};

/// One thing to rehearse.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Drill {
    /// Stop at the mark: the half-nut opened, the tool drawn out with it.
    StopOpen,
    /// Stop at the mark: the half-nut stays closed, the tool is drawn out and the spindle stopped.
    StopSpindle,
    /// Stop at the mark, the spindle turned by hand.
    StopHand,
    /// Close the half-nut on a mark of the dial, everything turning.
    CatchMark,
    /// The whole cycle with the half-nut closed: out, stop, back, stop, in.
    Cycle,
    /// The first pass, at the slowest speed there is.
    FirstPass,
}

/// What the hand does by one key.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum HandAct {
    /// The half-nut is opened and the tool drawn out.
    Open,
    /// The half-nut is pressed.
    Close,
    /// The tool is drawn out.
    Out,
    /// The tool is fed in to where it was.
    In,
    /// The tool is drawn out and the spindle stopped.
    OutAndStop,
    /// The spindle is stopped.
    Stop,
    /// The spindle is set going the other way.
    Back,
    /// The spindle is set going the way of the cut.
    Go,
}

/// How fast a hand draws the tool out, mm a second. House value.
const OUT_MM_S: f64 = 12.0;
/// How fast it is fed in again.
const IN_MM_S: f64 = 4.0;
/// Seconds before the mark a try begins: no fewer, and so many more. House values.
const BEGINS_S: [f64; 2] = [2.2, 2.6];
/// Longest a slide is waited for, s.
const LONGEST_S: f64 = 12.0;

impl Drill {
    /// Its name in addresses and files.
    #[must_use]
    pub const fn word(self) -> &'static str {
        match self {
            Self::StopOpen => "stop_open",
            Self::StopSpindle => "stop_spindle",
            Self::StopHand => "stop_hand",
            Self::CatchMark => "catch_mark",
            Self::Cycle => "cycle",
            Self::FirstPass => "first_pass",
        }
    }

    /// What tries of it belong to: opening the half-nut, stopping the spindle and turning by hand are never pooled. Nothing of those that
    /// are no stop.
    #[must_use]
    pub const fn sample(self) -> Option<&'static str> {
        match self {
            Self::StopOpen => Some("open"),
            Self::StopSpindle => Some("spindle"),
            Self::StopHand => Some("hand"),
            // Slow, a hand has time it has not in the cut: it says nothing of its reaction.
            Self::FirstPass | Self::CatchMark | Self::Cycle => None,
        }
    }

    /// The stop that belongs to how passes end.
    #[must_use]
    pub const fn stopping(ending: Ending) -> Self {
        match ending {
            Ending::Closed | Ending::Auto => Self::StopSpindle,
            Ending::Hand => Self::StopHand,
            Ending::Dial | Ending::SameMark | Ending::ChalkMarks => Self::StopOpen,
        }
    }

    /// Those that suit a plan, the way it is followed first.
    #[must_use]
    pub fn of(plan: &Pointed<'_>, scene: &Scene, reverses: bool) -> Vec<Self> {
        let ending = plan.setup.ending;
        // Where opening it loses the thread, opening it is not to become a habit.
        let may_open = matches!(ending, Ending::Dial | Ending::SameMark | Ending::ChalkMarks) || plan.gears.dial.rule != DialRule::KeepClosed;
        let powered = plan.setup.speed_rpm.is_some();
        let opens = scene.half_nut && powered && may_open;
        let mut all = vec![Self::stopping(ending)];
        if powered {
            all.push(Self::FirstPass);
        }
        let marked = matches!(plan.gears.dial.rule, DialRule::EveryMark | DialRule::Marks) || ending == Ending::SameMark;
        if opens && marked && scene.machine.dial.is_some() {
            all.push(Self::CatchMark);
        }
        if powered && reverses && (ending == Ending::Closed || !scene.half_nut) {
            all.push(Self::Cycle);
        }
        // The other way of stopping may be wanted on this lathe too.
        for (other, can) in [(Self::StopOpen, opens), (Self::StopSpindle, powered), (Self::StopHand, true)] {
            if can && !all.contains(&other) {
                all.push(other);
            }
        }
        all
    }

    /// What it is called.
    #[must_use]
    pub fn name(self, voice: Voice) -> String {
        say!(voice, "rehearse-name", drill = self.word())
    }

    /// What is to be done.
    #[must_use]
    pub fn says(self, voice: Voice) -> String {
        say!(voice, "rehearse-task", drill = self.word())
    }

    /// What each key does.
    #[must_use]
    pub fn acts(self, ending: Ending) -> &'static [HandAct] {
        match self {
            Self::StopOpen => &[HandAct::Open],
            Self::StopSpindle => &[HandAct::OutAndStop],
            Self::StopHand => &[HandAct::Stop],
            Self::CatchMark => &[HandAct::Close],
            Self::FirstPass if matches!(Self::stopping(ending), Self::StopOpen) => &[HandAct::Open],
            Self::FirstPass => &[HandAct::OutAndStop],
            Self::Cycle => &[HandAct::Out, HandAct::Stop, HandAct::Back, HandAct::In, HandAct::Go],
        }
    }

    /// The acts one after another, as they should come.
    #[must_use]
    pub fn order(self, ending: Ending) -> Vec<HandAct> {
        match self {
            Self::Cycle => vec![HandAct::Out, HandAct::Stop, HandAct::Back, HandAct::Stop, HandAct::In, HandAct::Go],
            _ => self.acts(ending).to_vec(),
        }
    }
}

impl HandAct {
    /// What it is called on its key.
    #[must_use]
    pub fn name(self, voice: Voice, internal: bool) -> String {
        let act = match self {
            Self::Open => "open",
            Self::Close => "close",
            Self::Out => "out",
            Self::In => "in",
            Self::OutAndStop => "out-and-stop",
            Self::Stop => "stop",
            Self::Back => "back",
            Self::Go => "go",
        };
        say!(voice, "rehearse-act", act = act, side = if internal { "inside" } else { "outside" })
    }
}

/// A drill about to begin: the lathe as it stands, a cut behind it, and how long the try lasts at most.
#[derive(Debug, Clone)]
pub struct Begun {
    /// The lathe.
    pub lathe: StandIn,
    /// The scene it moves in.
    pub scene: Scene,
    /// What the slides are set to in the try.
    pub setting: [f64; 2],
    /// Depths of the cut behind it and of the try, mm.
    pub depths_mm: [f64; 2],
    /// When the pass of the try was set, before the try itself begins, s.
    pub pass_s: f64,
    /// Seconds after which nothing more is waited for.
    pub lasts_s: f64,
}

impl Begun {
    /// A drill from its seed: where it begins before the mark is not to be learned.
    #[must_use]
    pub fn of(drill: Drill, scene: Scene, slowest_rps: f64, seed: u32) -> Self {
        let scene = match drill {
            Drill::FirstPass => scene.at_speed(slowest_rps),
            Drill::StopHand => {
                Scene { machine: yoke_standin::Machine { coast: [0.0, 1.0], spin_up_s: 0.0, ..scene.machine.clone() }, ..scene }.at_speed(BY_HAND_RPS)
            }
            _ => scene,
        };
        // In the middle of the cut; the first pass has nothing behind it.
        let at = if drill == Drill::FirstPass { 0 } else { scene.depths_mm.len() / 2 };
        let behind = at.checked_sub(1).map(|i| (scene.settings[i], scene.depths_mm[i]));
        let (setting, depth) = (scene.settings.get(at).copied().unwrap_or_default(), scene.depths_mm.get(at).copied().unwrap_or_default());
        // The dial of the cross-slide shows nought on the crest.
        let mut lathe = StandIn::new(scene.machine.clone(), scene.start_mm, [0.0; 2]);
        feed(&mut lathe, [-CLEAR_MM, 0.0]);
        let _ = lathe.act(Act::Spindle(scene.rps));
        lathe.wait(Cue::Seconds(5.0), LONGEST_S);
        if let Some((setting, _)) = behind {
            sound_pass(&mut lathe, &scene, setting);
        }
        let pass_s = lathe.now_s();
        let share = fastrand::Rng::with_seed(u64::from(seed)).f64();
        let before_s = BEGINS_S[0] + BEGINS_S[1] * share;
        match drill {
            Drill::CatchMark => {
                feed(&mut lathe, setting);
                // Some way round the dial, so that no mark is at hand.
                lathe.wait(Cue::Seconds(tooth_s(&scene) * (2.0 + 8.0 * share)), 600.0);
            }
            _ => {
                feed(&mut lathe, setting);
                close_in_step(&mut lathe, &scene);
                let cuts = scene.machine.cuts;
                let begins = scene.mark_mm - cuts * scene.goes_mm_s() * before_s;
                let begins = if cuts < 0.0 { begins.min(scene.start_mm) } else { begins.max(scene.start_mm) };
                to_place(&mut lathe, &scene, begins);
            }
        }
        let run_s = ((scene.mark_mm - lathe.stands().tip(&scene.machine)[0].at).abs() / scene.goes_mm_s()).min(60.0);
        let lasts_s = match drill {
            Drill::CatchMark => 40.0,
            Drill::Cycle => 3.0 * run_s + 30.0,
            _ => run_s + 4.0,
        };
        Self { lathe, scene, setting, depths_mm: [behind.map_or(0.0, |b| b.1), depth], pass_s, lasts_s }
    }

    /// What one act of the hand is at the lathe.
    #[must_use]
    pub fn told(&self, act: HandAct) -> Vec<Act> {
        let out = Act::Feed(Slide::Cross, [self.setting[0] - CLEAR_MM, OUT_MM_S]);
        match act {
            HandAct::Open => vec![Act::Open, out],
            HandAct::Close => vec![Act::Close],
            HandAct::Out => vec![out],
            HandAct::In => vec![Act::Feed(Slide::Cross, [self.setting[0], IN_MM_S])],
            HandAct::OutAndStop => vec![out, Act::Spindle(0.0)],
            HandAct::Stop => vec![Act::Spindle(0.0)],
            HandAct::Back => vec![Act::Spindle(-self.scene.rps)],
            HandAct::Go => vec![Act::Spindle(self.scene.rps)],
        }
    }
}

/// Slides to their settings, and waits for them.
fn feed(lathe: &mut StandIn, [cross, compound]: [f64; 2]) {
    for (slide, to) in [(Slide::Cross, cross), (Slide::Compound, compound)] {
        let _ = lathe.act(Act::Feed(slide, [to, OUT_MM_S]));
    }
    lathe.wait(Cue::Seconds(2.0), LONGEST_S);
}

/// The half-nut closed where it is in step with the groove, however the train is.
fn close_in_step(lathe: &mut StandIn, scene: &Scene) {
    if matches!(lathe.stands().nut, Nut::Closed(_)) {
        return;
    }
    let apart = apart(&scene.machine);
    #[allow(clippy::cast_precision_loss)] // teeth of gears
    let apart = apart as f64;
    let counted = lathe.stands().counted;
    if lathe.track().stretches.iter().any(|s| matches!(s.nut, Nut::Closed(_))) && counted.sense() != 0.0 {
        let next = if counted.sense() > 0.0 { (counted.at / apart).ceil() } else { (counted.at / apart).floor() } * apart;
        if let Some(s) = counted.first(next) {
            lathe.wait(Cue::Seconds(s), 1e5);
        }
    }
    let _ = lathe.act(Act::Close);
}

/// Goes on until the point stands at a place, the half-nut closed.
fn to_place(lathe: &mut StandIn, scene: &Scene, point_mm: f64) {
    let stands = lathe.stands();
    let off = stands.tip(&scene.machine)[0].at - stands.carriage.at;
    lathe.wait(Cue::Place(point_mm - off), 600.0);
}

/// One pass as it should be: to the mark, out, back, wherever the train allows by opening the half-nut, else by turning back.
pub(super) fn sound_pass(lathe: &mut StandIn, scene: &Scene, setting: [f64; 2]) {
    feed(lathe, setting);
    close_in_step(lathe, scene);
    to_place(lathe, scene, scene.mark_mm);
    let out = [setting[0] - CLEAR_MM, setting[1]];
    if scene.half_nut {
        let _ = lathe.act(Act::Open);
        feed(lathe, out);
        let _ = lathe.act(Act::Wind([scene.start_mm, 30.0]));
        lathe.wait(Cue::Seconds((scene.start_mm - scene.mark_mm).abs() / 30.0 + 1.0), 600.0);
    } else {
        let _ = lathe.act(Act::Spindle(0.0));
        let _ = lathe.act(Act::Feed(Slide::Cross, [out[0], OUT_MM_S]));
        lathe.wait(Cue::Still, 60.0);
        let _ = lathe.act(Act::Spindle(-scene.rps));
        lathe.wait(Cue::Place(scene.start_mm - scene.machine.cuts * 2.0 * scene.machine.play_mm), 600.0);
        let _ = lathe.act(Act::Spindle(0.0));
        lathe.wait(Cue::Still, 60.0);
        let _ = lathe.act(Act::Spindle(scene.rps));
    }
}
