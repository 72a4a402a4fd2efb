//! Rehearse: the hand trained on air, at the job's own lathe, speed, thread and room.
//!
//! Before a try the motion is sent as stretches, with what each key would do; the hand's own times come back, and the lathe that stands in
//! does what the hand did. Nothing of the plan's own reckoning is used to judge it.

mod away;
mod begun;
mod by_hand;
mod drawing;
mod drill;
mod hand;
mod judge;
mod learned;
mod path;
mod scene;
mod show;
mod stretch;
mod told;
mod tries;
mod whole_run;

pub use away::{away, on};
pub use begun::Begun;
pub use drawing::StageView;
pub use drill::{Drill, HandAct};
pub use hand::{FEWEST, Hand, Stop, THROWN_AWAY, once_in, spreads};
pub use judge::{FaultView, Kept, Pressed, TryView, judge};
pub use learned::HandView;
pub use path::TaskView;
pub use scene::Scene;
pub use show::PlayView;
pub use stretch::{EvenView, StretchView};
pub use tries::Tries;
pub use whole_run::{Rehearsed, played, whole_run};

use crate::job::{Job, Lathe};
use crate::kit::Kit;
use crate::plan::Pointed;
use crate::quantity::{plain_text, short_text};
use crate::say;
use crate::voice::Voice;
use learned::hands;
use serde::Serialize;
use yoke_standin::Slide;

/// What may be rehearsed of a job.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct RehearsalView {
    /// The drills, the way that is followed first.
    pub drills: Vec<DrillView>,
    /// What it is done at: the speed, how fast the carriage goes, the room past the mark, the time a hand is given.
    pub figures: Vec<FigureView>,
    /// What is known of the hand, a line for each way of stopping that was tried.
    pub hands: Vec<HandView>,
    /// The learner's path, as far as it was gone.
    pub path: Vec<TaskView>,
}

/// A figure with what it is.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct FigureView {
    /// What it is.
    pub says: String,
    /// The figure with its unit.
    pub text: String,
}

/// One of them.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct DrillView {
    /// Which.
    pub drill: Drill,
    /// What it is called.
    pub name: String,
    /// What is to be done.
    pub says: String,
}

/// A try about to begin.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct MotionView {
    /// Which drill.
    pub drill: Drill,
    /// What is to be done.
    pub says: String,
    /// The lathe, its speed and its thread.
    pub at: String,
    /// What it is done at, as of the whole rehearsal, at this drill's own speed and way.
    pub figures: Vec<FigureView>,
    /// What it began from: sent back with the keys.
    pub seed: u32,
    /// Seconds after which nothing more is waited for.
    pub lasts_s: f64,
    /// What the keys do.
    pub acts: Vec<ActView>,
    /// The acts one after another, as they should come: what the space bar does.
    pub order: Vec<HandAct>,
    /// How everything moves while no key is pressed.
    pub stretches: Vec<StretchView>,
    /// What is seen.
    pub stage: StageView,
    /// The dial: teeth of its gear and marks on its face.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub dial: Option<[u16; 2]>,
    /// Every how many marks the half-nut may be closed, counted from the first; absent where marks do not tell.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub every: Option<u16>,
    /// Whether the dial is watched for a mark.
    pub catches: bool,
    /// The collar of the cross-slide, where it is wound.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub collar: Option<CollarView>,
}

/// The collar of a slide.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct CollarView {
    /// Whose it is, and what it is to show.
    pub says: String,
    /// Travel a division, mm.
    pub division_mm: f64,
    /// Divisions in a turn.
    pub of: f64,
    /// What it is to show, divisions from nought.
    pub wanted: f64,
}

/// A key, and what it does to the motion the moment it is pressed.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ActView {
    /// What it does.
    pub act: HandAct,
    /// What it is called.
    pub name: String,
    /// Whether the carriage stops at once.
    pub stops: bool,
    /// How the carriage slows, mm a second a second; nought where it goes on.
    pub slows_mm_s2: f64,
    /// How fast the tool goes out, mm a second, and how far under the crest it ends; nought where it stays.
    pub out_mm_s: f64,
    /// How fast it goes in, mm a second; nought where it stays.
    pub in_mm_s: f64,
    /// Whether the slide is held where it is.
    pub holds: bool,
}

impl ActView {
    fn of(act: HandAct, begun: &Begun, voice: Voice) -> Self {
        let told = begun.told(act);
        let machine = &begun.scene.machine;
        let stops = told.iter().any(|a| matches!(a, yoke_standin::Act::Open));
        let slows = told.iter().any(|a| matches!(a, yoke_standin::Act::Spindle(rate) if *rate == 0.0));
        let feeds = told.iter().find_map(|a| if let yoke_standin::Act::Feed(Slide::Cross, [_, fast]) = a { Some(*fast) } else { None }).unwrap_or(0.0);
        let inward = matches!(act, HandAct::In | HandAct::Slowly);
        Self {
            act,
            name: act.name(voice, begun.drill, begun.scene.internal),
            stops: stops || slows && machine.slows().is_none(),
            slows_mm_s2: if slows { machine.slows().unwrap_or(0.0) * machine.lead_mm().abs() } else { 0.0 },
            out_mm_s: if inward || act == HandAct::Hold { 0.0 } else { feeds },
            in_mm_s: if inward { feeds } else { 0.0 },
            holds: act == HandAct::Hold,
        }
    }
}

/// The slowest speed of a lathe, turns a second.
fn slowest(lathe: &Lathe) -> f64 {
    lathe.speeds.slowest() / 60.0
}

/// The drills of a job, and what is known of the hand.
#[must_use]
pub fn rehearsal(plan: &Pointed<'_>, (job, lathe, kit): (&Job, &Lathe, &Kit), tries: &Tries) -> RehearsalView {
    let scene = Scene::of(plan, job, lathe);
    let voice = plan.voice;
    let drills = Drill::of(plan, &scene, [lathe.reverses, away(job, lathe, kit).is_some()]);
    let drills = drills.into_iter().map(|drill| DrillView { drill, name: drill.name(voice), says: drill.says(voice) }).collect();
    let (hands, path) = known(plan, job, lathe, tries);
    RehearsalView { drills, figures: figures(plan, &scene), hands, path }
}

/// What is known of the hand, and the learner's path as far as it was gone.
#[must_use]
pub fn known(plan: &Pointed<'_>, job: &Job, lathe: &Lathe, tries: &Tries) -> (Vec<HandView>, Vec<TaskView>) {
    let scene = Scene::of(plan, job, lathe);
    // The path has no task of cutting away from the chuck, so that need not be planned.
    let drills = Drill::of(plan, &scene, [lathe.reverses, false]);
    (hands(plan, &scene, lathe, tries), path::path(&drills, tries, plan.voice))
}

fn figures(plan: &Pointed<'_>, scene: &Scene) -> Vec<FigureView> {
    let voice = plan.voice;
    let figure = |what: &'static str, text: String| FigureView { says: say!(voice, "rehearse-figure", what = what), text };
    // The plan's own words, where it is its speed.
    let own = plan.setup.speed_rpm.as_ref().is_none_or(|s| (s.value - scene.rps.abs() * 60.0).abs() < 0.5);
    let speed = if own { plan.setup.speed_text().to_owned() } else { say!(voice, "rehearse-speed", rpm = plain_text(scene.rps.abs() * 60.0, 0)) };
    let mut all = vec![
        figure("speed", speed),
        figure("goes", say!(voice, "rehearse-a-second", by = voice.about(scene.goes_mm_s()))),
        figure("hand", say!(voice, "rehearse-seconds", s = plain_text(plan.setup.reaction_s, 2))),
    ];
    all.extend(scene.room_mm.map(|room| figure("room", voice.about(room))));
    all
}

/// A stop made at the lathe itself, on air, as it counts: where it came to rest past the mark, mm, at a speed, turns a minute. Nothing of a
/// drill that is no stop under power.
#[must_use]
pub fn at_lathe(drill: Drill, id: u64, (past_mm, rpm): (f64, f64), plan: &Pointed<'_>, job: &Job, lathe: &Lathe) -> Option<(&'static str, Kept)> {
    let scene = Scene::of(plan, job, lathe);
    let (sample, coast_turns) = match drill {
        Drill::StopOpen => ("lathe_open", 0.0),
        Drill::StopSpindle => ("lathe_spindle", scene.coasts(rpm / 60.0)),
        _ => return None,
    };
    Some((sample, Kept { id, past_mm, lead_mm: scene.work.lead_mm, rps: rpm / 60.0, coast_turns }))
}

/// A drill as it begins from a seed.
#[must_use]
pub fn begin(drill: Drill, plan: &Pointed<'_>, job: &Job, lathe: &Lathe, seed: u32) -> Begun {
    Begun::of(drill, Scene::of(plan, job, lathe), slowest(lathe), seed)
}

/// The same as it is sent.
#[must_use]
pub fn motion(drill: Drill, plan: &Pointed<'_>, job: &Job, lathe: &Lathe, seed: u32) -> MotionView {
    sent(drill, &begin(drill, plan, job, lathe, seed), (plan, lathe), seed)
}

fn sent(drill: Drill, begun: &Begun, (plan, lathe): (&Pointed<'_>, &Lathe), seed: u32) -> MotionView {
    let voice = plan.voice;
    let began = begun.lathe.now_s();
    let mut runs = begun.lathe.clone();
    runs.advance(began + begun.lasts_s);
    let scene = &begun.scene;
    let dial = &plan.gears.dial;
    MotionView {
        drill,
        says: drill.says(voice),
        at: learned::at_says(&lathe.name, scene, voice),
        figures: figures(plan, scene),
        seed,
        lasts_s: begun.lasts_s,
        acts: drill.acts(plan.setup.ending).iter().map(|act| ActView::of(*act, begun, voice)).collect(),
        order: drill.order(plan.setup.ending),
        stretches: StretchView::all(&runs, &scene.machine, began, None),
        stage: drawing::stage(begun, voice),
        dial: scene.machine.dial.map(|d| [d.teeth, d.marks]),
        every: match dial.rule {
            crate::gears::DialRule::AnyPosition | crate::gears::DialRule::EveryMark => Some(1),
            crate::gears::DialRule::Marks => dial.every,
            crate::gears::DialRule::KeepClosed => None,
        },
        catches: drill.catches(),
        collar: drill.winds().then(|| collar(begun, voice)),
    }
}

fn collar(begun: &Begun, voice: Voice) -> CollarView {
    let one = begun.scene.cross;
    let division_mm = one.turn_mm / one.divisions;
    let wanted = (begun.setting[0] / division_mm * 10.0).round() / 10.0;
    let says =
        say!(voice, "rehearse-collar", wanted = short_text(wanted.rem_euclid(one.divisions), 1), turns = plain_text((wanted / one.divisions).floor(), 0));
    CollarView { says, division_mm, of: one.divisions, wanted }
}

/// A drill shown: how it begins, played right, and each mistake.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ShownView {
    /// How it begins.
    pub motion: MotionView,
    /// Each way it may go, the right one first.
    pub plays: Vec<PlayView>,
}

/// Where what is shown begins: always the same.
const SHOWN_SEED: u32 = 1;

/// A drill shown.
#[must_use]
pub fn shown(drill: Drill, plan: &Pointed<'_>, job: &Job, lathe: &Lathe) -> ShownView {
    let begun = begin(drill, plan, job, lathe, SHOWN_SEED);
    ShownView { motion: sent(drill, &begun, (plan, lathe), SHOWN_SEED), plays: show::shown(drill, plan.setup.ending, &begun, plan.voice) }
}
