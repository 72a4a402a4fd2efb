//! A job done from its first pass to its last by the lathe that stands in, so that the instruments on it say what a real one's would.

use super::begun::{Begun, IN_MM_S, WINDS_MM_S};

use super::scene::{CLEAR_MM, Scene, apart};
use super::show::shown;
use crate::cut::Then;
use crate::gears::DialRule;
use crate::job::{Job, Lathe};
use crate::plan::Pointed;
use yoke_standin::{Act, Cue, Lathe as StandIn, Part, Slide, Step};

/// How late the hand that does it is, and give or take, s. House values.
const HAND_S: [f64; 2] = [0.1, 0.02];
/// So long it rests between two passes, s. House value.
const RESTS_S: f64 = 1.0;

/// A job on the lathe that stands in.
#[derive(Debug, Clone)]
pub struct Rehearsed {
    /// The lathe as it stands: the point at the crest, clear of the work, both dials at nought.
    pub lathe: StandIn,
    /// What is on it; nothing of a bore, which no wires measure.
    pub part: Option<Part>,
    /// What sets it going.
    pub begins: Vec<Step>,
    /// Its passes, one after another.
    pub passes: Vec<Vec<Step>>,
}

/// The run of a plan, as far as its passes are laid out.
#[must_use]
pub fn whole_run(plan: &Pointed<'_>, job: &Job, lathe: &Lathe) -> Rehearsed {
    let scene = Scene::of(plan, job, lathe);
    let opens = scene.half_nut && scene.machine.dial.is_some() && plan.gears.dial.rule != DialRule::KeepClosed;
    let wire = plan.gauge.wire_mm.as_ref().map(|w| w.value);
    let passes = scene.settings.iter().zip(&plan.cut.passes).enumerate().map(|(i, (setting, row))| {
        let mut steps = pass(&scene, *setting, opens, i == 0);
        if row.then == Some(Then::Measure) || i + 1 == scene.settings.len() {
            steps.extend(wire.map(Step::Measure));
        }
        steps
    });
    Rehearsed {
        begins: vec![cross(-CLEAR_MM), Step::Do(Act::Spindle(scene.rps)), Step::Until(Cue::Seconds(scene.machine.spin_up_s + RESTS_S))],
        passes: passes.collect(),
        lathe: StandIn::new(scene.machine.clone(), scene.start_mm, [0.0; 2]),
        part: part(scene),
    }
}

fn part(scene: Scene) -> Option<Part> {
    (!scene.internal).then_some(Part { work: scene.work, tool: scene.tool, radius_mm: scene.radius_mm })
}

fn cross(to: f64) -> Step {
    Step::Do(Act::Feed(Slide::Cross, [to, IN_MM_S]))
}

/// One pass: set, closed on the mark first used, ended at its mark, brought back; or back and forth with the half-nut closed throughout.
fn pass(scene: &Scene, [setting, compound]: [f64; 2], opens: bool, first: bool) -> Vec<Step> {
    let (cuts, lean) = (scene.machine.cuts, scene.machine.lean_deg.to_radians());
    // The carriage stands where the point does, less what the compound carries it along.
    let carriage_at = |point: f64| Step::Until(Cue::Place(point - cuts * compound * lean.sin()));
    let wait = |s: f64| Step::Until(Cue::Seconds(s));
    let travels_s = CLEAR_MM.max(setting + CLEAR_MM) / IN_MM_S + 0.3;
    let mut steps = vec![Step::Do(Act::Feed(Slide::Compound, [compound, IN_MM_S])), cross(setting), wait(travels_s)];
    // Where every tooth serves none is waited for.
    if opens && !first && apart(&scene.machine) > 1 {
        steps.push(Step::Until(Cue::Mark(0)));
    }
    steps.extend([Step::Do(Act::Spindle(scene.rps)), Step::Do(Act::Close), carriage_at(scene.mark_mm), Step::Hand(HAND_S)]);
    if opens {
        let winds_s = (scene.start_mm - scene.mark_mm).abs() / WINDS_MM_S + 0.5;
        steps.extend([Step::Do(Act::Open), cross(-CLEAR_MM), wait(travels_s), Step::Do(Act::Wind([scene.start_mm, WINDS_MM_S])), wait(winds_s)]);
    } else {
        steps.extend([cross(-CLEAR_MM), Step::Do(Act::Spindle(0.0)), Step::Until(Cue::Still), Step::Do(Act::Spindle(-scene.rps))]);
        steps.extend([carriage_at(scene.back_at_mm()), Step::Do(Act::Spindle(0.0)), Step::Until(Cue::Still)]);
    }
    steps.push(wait(RESTS_S));
    steps
}

/// A drill played one of its ways, as the same is shown; nothing where the drill has no such way.
#[must_use]
pub fn played(begun: &Begun, play: &str, plan: &Pointed<'_>) -> Option<Rehearsed> {
    let keys = shown(begun.drill, plan.setup.ending, begun, plan.voice).into_iter().find(|p| p.code == play)?.keys;
    let mut goes = begun.clone();
    let began = goes.lathe.now_s();
    let steps = keys.iter().flat_map(|key| {
        let before = goes.lathe.now_s();
        goes.lathe.advance(began + key.at_s);
        let acts = goes.told(key.act);
        acts.iter().for_each(|act| {
            let _ = goes.lathe.act(*act);
        });
        [Step::Until(Cue::Seconds(goes.lathe.now_s() - before))].into_iter().chain(acts.into_iter().map(Step::Do)).collect::<Vec<_>>()
    });
    Some(Rehearsed { begins: steps.collect(), passes: Vec::new(), lathe: begun.lathe.clone(), part: part(begun.scene.clone()) })
}
