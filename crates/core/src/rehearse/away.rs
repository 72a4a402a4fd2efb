//! The same thread cut the other way: away from the chuck, spindle reversed, tool inverted, so that there is nothing to run into.

use super::drill::Drill;
use super::scene::Scene;
use crate::direction::{Carriage, Spindle};
use crate::job::{Chuck, Ending, Job, Lathe, Way};
use crate::kit::Kit;
use crate::plan::{Plan, Pointed, plan};

/// The job planned so, with the half-nut closed throughout; nothing where that cannot be, needs no reversing, would unscrew the chuck, has
/// nothing behind it to be kept from, or where the tool does not stand clear of that as a pass begins.
#[must_use]
pub fn away(job: &Job, lathe: &Lathe, kit: &Kit) -> Option<(Plan, Job)> {
    if !lathe.reverses || lathe.chuck == Chuck::Screwed || lathe.cranked() {
        return None;
    }
    let mut job = job.clone();
    job.setup.way = Way::Away;
    job.setup.ending = Ending::Closed;
    let planned = plan(&job, lathe, kit);
    let pointed = planned.pointed()?;
    let setup = pointed.setup;
    let reversed = setup.spindle == Spindle::Reversed && setup.carriage != Carriage::TowardHeadstock && setup.speed_rpm.is_some();
    let scene = Scene::of(&pointed, &job, lathe);
    let clear = |at: f64| scene.start_mm - scene.tool.body_mm[0] > at;
    (reversed && scene.work.walls.first().is_some_and(|w| clear(w.at_mm))).then_some((planned, job))
}

/// Does something with what a drill is done on: cut away from the chuck, the job planned so; else its own plan. Nothing where this job has no
/// such drill.
#[must_use]
pub fn on<T>(drill: Drill, plan: &Pointed<'_>, (job, lathe, kit): (&Job, &Lathe, &Kit), make: impl FnOnce(&Pointed<'_>, &Job) -> T) -> Option<T> {
    if drill == Drill::Away {
        let (planned, job) = away(job, lathe, kit)?;
        return planned.pointed().map(|pointed| make(&pointed, &job));
    }
    Drill::of(plan, &Scene::of(plan, job, lathe), [lathe.reverses, false]).contains(&drill).then(|| make(plan, job))
}
