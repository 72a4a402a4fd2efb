//! How a drill begins: the lathe set going, a cut behind it, and what each act of the hand is at it.

use super::drill::{Drill, HandAct};
use super::scene::{BY_HAND_RPS, CLEAR_MM, Scene, apart, tooth_s};
use yoke_standin::{Act, Cue, Lathe as StandIn, Nut, Slide};

/// How fast a hand draws the tool out, mm a second. House value.
const OUT_MM_S: f64 = 12.0;
/// How fast it is fed in again.
pub(super) const IN_MM_S: f64 = 4.0;
/// Seconds before the mark a try begins: no fewer, and so many more. House values.
const BEGINS_S: [f64; 2] = [2.2, 2.6];
/// Longest a slide is waited for, s.
const LONGEST_S: f64 = 12.0;
/// Turns of the handwheel a second where a figure is watched for. House value.
const SLOWLY: f64 = 0.1;
/// How fast a hand winds the carriage back, mm a second. House value.
pub(super) const WINDS_MM_S: f64 = 30.0;

/// A drill about to begin: the lathe as it stands, a cut behind it, and how long the try lasts at most.
#[derive(Debug, Clone)]
pub struct Begun {
    /// Which drill.
    pub drill: Drill,
    /// The lathe.
    pub lathe: StandIn,
    /// The scene it moves in.
    pub scene: Scene,
    /// What the slides are set to in the try.
    pub setting: [f64; 2],
    /// How far the compound goes on from the pass before, mm.
    pub step_mm: f64,
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
        let was = behind.map_or([0.0; 2], |b| b.0);
        // The dial of the cross-slide shows nought on the crest.
        let mut lathe = StandIn::new(scene.machine.clone(), scene.start_mm, [0.0; 2]);
        feed(&mut lathe, [-CLEAR_MM, 0.0]);
        let _ = lathe.act(Act::Spindle(scene.rps));
        lathe.wait(Cue::Seconds(5.0), LONGEST_S);
        let at_rest = matches!(drill, Drill::ToZero | Drill::Away);
        if behind.is_some() {
            sound_pass(&mut lathe, &scene, was, scene.half_nut && !at_rest);
        }
        let pass_s = lathe.now_s();
        let share = fastrand::Rng::with_seed(u64::from(seed)).f64();
        match drill {
            Drill::CatchMark => {
                feed(&mut lathe, setting);
                // Some way round the dial, so that no mark is at hand.
                lathe.wait(Cue::Seconds(tooth_s(&scene) * (2.0 + 8.0 * share)), 600.0);
            }
            // The compound where the pass before had it; how far the tool is out is not to be learned.
            Drill::ToZero => feed(&mut lathe, [-CLEAR_MM - scene.cross.turn_mm * share, was[1]]),
            Drill::Away => feed(&mut lathe, [setting[0] - CLEAR_MM, setting[1]]),
            _ => {
                feed(&mut lathe, setting);
                close_in_step(&mut lathe, &scene);
                let cuts = scene.machine.cuts;
                let begins = scene.mark_mm - cuts * scene.goes_mm_s() * (BEGINS_S[0] + BEGINS_S[1] * share);
                let begins = if cuts < 0.0 { begins.min(scene.start_mm) } else { begins.max(scene.start_mm) };
                to_place(&mut lathe, &scene, begins);
            }
        }
        let run_s = ((scene.mark_mm - lathe.stands().tip(&scene.machine)[0].at).abs() / scene.goes_mm_s()).min(60.0);
        let lasts_s = match drill {
            Drill::CatchMark | Drill::ToZero => 40.0,
            Drill::Cycle | Drill::Away => 3.0 * run_s + 30.0,
            Drill::OpenCycle => run_s + 60.0,
            _ => run_s + 4.0,
        };
        Self { drill, lathe, scene, setting, step_mm: setting[1] - was[1], depths_mm: [behind.map_or(0.0, |b| b.1), depth], pass_s, lasts_s }
    }

    /// What one act of the hand is at the lathe as it stands now.
    #[must_use]
    pub fn told(&self, act: HandAct) -> Vec<Act> {
        let [cross, compound] = self.lathe.stands().dials.map(|d| d.at);
        let turn = self.scene.cross.turn_mm;
        let out = Act::Feed(Slide::Cross, [self.setting[0] - CLEAR_MM, OUT_MM_S]);
        match act {
            HandAct::Open => vec![Act::Open, out],
            HandAct::Close => vec![Act::Close],
            HandAct::Out => vec![out],
            // By its dial: as far as needs no looking, then slowly, and held.
            HandAct::In if self.drill == Drill::ToZero => vec![Act::Feed(Slide::Cross, [self.setting[0] - (turn / 2.0).min(CLEAR_MM / 2.0), IN_MM_S])],
            HandAct::In => vec![Act::Feed(Slide::Cross, [self.setting[0], IN_MM_S])],
            HandAct::Slowly => vec![Act::Feed(Slide::Cross, [cross + turn, turn * SLOWLY])],
            HandAct::Hold => vec![Act::Feed(Slide::Cross, [cross, IN_MM_S])],
            HandAct::Deeper => vec![Act::Feed(Slide::Compound, [compound + self.step_mm, IN_MM_S])],
            HandAct::Wind => vec![Act::Wind([self.scene.start_mm, WINDS_MM_S])],
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
    let _ = lathe.act(Act::Spindle(scene.rps));
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

/// One pass as it should be: to the mark, out, back; by opening the half-nut and with the spindle going on, else by turning back, and at rest.
pub(super) fn sound_pass(lathe: &mut StandIn, scene: &Scene, setting: [f64; 2], opens: bool) {
    feed(lathe, setting);
    close_in_step(lathe, scene);
    to_place(lathe, scene, scene.mark_mm);
    let out = [setting[0] - CLEAR_MM, setting[1]];
    if opens {
        let _ = lathe.act(Act::Open);
        feed(lathe, out);
        let _ = lathe.act(Act::Wind([scene.start_mm, WINDS_MM_S]));
        lathe.wait(Cue::Seconds((scene.start_mm - scene.mark_mm).abs() / WINDS_MM_S + 1.0), 600.0);
        return;
    }
    let _ = lathe.act(Act::Spindle(0.0));
    let _ = lathe.act(Act::Feed(Slide::Cross, [out[0], OUT_MM_S]));
    lathe.wait(Cue::Still, 60.0);
    let _ = lathe.act(Act::Spindle(-scene.rps));
    to_place(lathe, scene, scene.back_at_mm());
    let _ = lathe.act(Act::Spindle(0.0));
    lathe.wait(Cue::Still, 60.0);
}
