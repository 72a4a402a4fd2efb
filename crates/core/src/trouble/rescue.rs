//! Rescuing the part: what to do, step by step, in this job's own settings.

use super::known::JobEvidence;
use crate::say;
use serde::Serialize;

/// A way to rescue the part.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Rescue {
    /// Pick up the thread.
    PickUp,
    /// Dress the crests.
    DressCrests,
    /// Clean the entrance.
    CleanEntrance,
    /// Out of the chuck and back.
    OutAndBack,
    /// Begin again, from the first step that is lost.
    Remake,
}

/// One, in words.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct RescueView {
    /// Which.
    pub rescue: Rescue,
    /// As it is said.
    pub says: String,
    /// Its steps.
    pub steps: Vec<String>,
}

impl Rescue {
    pub(super) const ALL: [Self; 5] = [Self::PickUp, Self::DressCrests, Self::CleanEntrance, Self::OutAndBack, Self::Remake];

    pub(super) fn said(self, k: &JobEvidence) -> RescueView {
        let (id, steps) = match self {
            Self::PickUp => ("rescue-pick-up", pick_up(k)),
            Self::DressCrests => ("rescue-dress-crests", dress_crests(k)),
            Self::CleanEntrance => ("rescue-clean-entrance", clean_entrance(k)),
            Self::OutAndBack => ("rescue-out-and-back", out_and_back(k)),
            Self::Remake => ("rescue-begin-again", remake(k)),
        };
        RescueView { rescue: self, says: say!(k.voice(), id), steps }
    }
}

fn pick_up(k: &JobEvidence) -> Vec<String> {
    let plan = &k.plan.run;
    let mut steps = k.run.filter(|r| r.begun).map_or_else(|| plan.pick_up.clone(), |run| plan.way_back(run.stands_mm, k.voice()));
    steps.push(say!(k.voice(), "rescue-just-clear"));
    steps
}

fn dress_crests(k: &JobEvidence) -> Vec<String> {
    let blank = &k.plan.blank;
    let mut steps = if k.screw() {
        vec![say!(k.voice(), "rescue-read-crests", min = &blank.min_mm.text, max = &blank.max_mm.text), say!(k.voice(), "rescue-over-that")]
    } else {
        vec![say!(k.voice(), "rescue-bar-back", used = &blank.used_mm.text), say!(k.voice(), "rescue-one-pass")]
    };
    steps.push(say!(k.voice(), "rescue-threading-pass"));
    steps
}

fn clean_entrance(k: &JobEvidence) -> Vec<String> {
    vec![say!(k.voice(), "rescue-chamfer", to = &k.plan.blank.chamfer_mm.text), say!(k.voice(), "rescue-half-turn"), say!(k.voice(), "rescue-mate-too")]
}

fn out_and_back(k: &JobEvidence) -> Vec<String> {
    let voice = k.voice();
    let mut steps = vec![
        say!(voice, "rescue-measure-first"),
        say!(voice, "rescue-mark-work"),
        say!(voice, "rescue-chuck-too"),
        say!(voice, "rescue-back-in", under = voice.length(k.room() / 4.0)),
    ];
    steps.extend(pick_up(k));
    steps
}

fn remake(k: &JobEvidence) -> Vec<String> {
    let side = if k.screw() { "outside" } else { "inside" };
    vec![
        say!(k.voice(), "rescue-not-lost"),
        say!(k.voice(), "rescue-new", side = side, aim = &k.plan.blank.aim_mm.text),
        say!(k.voice(), "rescue-touch"),
        say!(k.voice(), "rescue-put-right"),
    ]
}
