//! Whether a single point, a die or a tap makes this thread: each planned whole, side by side, with its time, its proof, what is there for
//! it and what stands against it.

use super::{Member, OpKind, minutes_of, propose, time_says};
use crate::job::{Job, Kit, Lathe};
use crate::making::Maker;
use crate::plan::{Plan, State, plan};
use crate::say;
use crate::thread::Side;
use crate::voice::Voice;
use serde::Serialize;

/// One way of making it.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct MakerView {
    /// What makes it.
    pub by: Maker,
    /// Whether a die or a tap only finishes what a single point cut.
    pub finished: bool,
    /// As it is said.
    pub says: String,
    /// Whether it is the one chosen.
    pub chosen: bool,
    /// Whether it is the one recommended.
    pub recommended: bool,
    /// From the blank to the proof, min.
    pub minutes: f64,
    /// The same in words.
    pub takes: String,
    /// How the size is proven.
    pub proof: String,
    /// Whether die or tap is in the drawer; absent where none is asked for.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub owned: Option<bool>,
    /// What is there for it.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub at_hand: Option<String>,
    /// What can hurt.
    pub hazard: String,
    /// What stands against it, by the check.
    pub against: Vec<String>,
}

/// All of them.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct MakersSheet {
    /// Single point, die or tap, the two together.
    pub ways: Vec<MakerView>,
    /// Why the one recommended is.
    pub says: String,
}

/// The same job made so.
fn made(job: &Job, by: Maker, finished: bool) -> Job {
    let mut job = job.clone();
    (job.making.by, job.blank.maker, job.blank.die_finish) = (by, by, finished);
    if by == Maker::SinglePoint {
        job.making.power = false;
    }
    job
}

/// What is done from the blank to the proof; sawing, facing and parting are the same whatever makes the thread.
const fn of_the_thread(kind: OpKind) -> bool {
    matches!(
        kind,
        OpKind::Drill
            | OpKind::Bore
            | OpKind::Turn
            | OpKind::Relief
            | OpKind::Chamfer
            | OpKind::Thread
            | OpKind::Die
            | OpKind::Tap
            | OpKind::Chase
            | OpKind::ChaseTap
            | OpKind::Dress
            | OpKind::Prove
    )
}

fn minutes(plan: &Plan, job: &Job, lathe: &Lathe) -> f64 {
    let member = Member { job: "this", title: "", plan, facts: job, lathe, apart: false, mate: None, proven: false };
    let members = [member];
    let of = |kind| {
        let op = super::Operation { kind, ..super::Operation::default() };
        let took = minutes_of(&op, Some(&member), &members, &[]);
        took.set + took.each
    };
    propose(&members, plan.voice).ops().filter(|(_, op)| of_the_thread(op.kind)).map(|(_, op)| of(op.kind)).sum()
}

fn hazard(plan: &Plan, voice: Voice) -> String {
    match (&plan.chaser, plan.thread.side) {
        (Some(c), _) if c.power.chosen => say!(voice, "chaser-caution-power", by = c.by.word()),
        (Some(c), _) if c.by == Maker::Tap => say!(voice, "chaser-caution-broken-tap"),
        (Some(_), _) if voice.lathe.cranked => say!(voice, "chaser-caution-chips", by = "die"),
        (Some(_), _) => say!(voice, "chaser-caution-isolated"),
        (None, Side::Internal) => say!(voice, "maker-hazard-bore"),
        (None, Side::External) => say!(voice, "maker-hazard-turned"),
    }
}

/// Plans each and puts them side by side.
#[must_use]
pub fn makers(job: &Job, lathe: &Lathe, kit: &Kit) -> MakersSheet {
    let voice = job.voice;
    let chaser = Maker::chaser_of(job.thread.spec.side);
    let ways: Vec<(MakerView, Plan)> = [(Maker::SinglePoint, false), (chaser, false), (Maker::SinglePoint, true)]
        .into_iter()
        .map(|(by, finished)| {
            let facts = made(job, by, finished);
            let plan = plan(&facts, lathe, kit);
            let hand = plan.blank.at_hand.iter().find(|h| h.what == "chaser");
            let minutes = minutes(&plan, &facts, lathe);
            // Gears to hang are work, and in its time.
            let against =
                plan.check.lines.iter().filter(|l| l.state == State::Bad && l.code != "gears_on").map(|l| format!("{}: {}", l.name, l.says)).collect();
            let view = MakerView {
                by,
                finished,
                says: say!(voice, "maker-says", by = by.word(), finished = if finished { chaser.word() } else { "no" }),
                chosen: (job.making.by, job.blank.die_finish) == (by, finished),
                recommended: false,
                minutes,
                takes: time_says(minutes, voice),
                proof: plan.proof.ways.iter().find(|w| w.chosen).map_or_else(|| say!(voice, "maker-no-proof"), |w| w.says.clone()),
                owned: hand.map(|h| h.here),
                at_hand: hand.map(|h| h.says.clone()),
                hazard: hazard(&plan, voice),
                against,
            };
            (view, plan)
        })
        .collect();
    let (which, says) = recommended(job, &ways, voice);
    let mut ways: Vec<MakerView> = ways.into_iter().map(|(view, _)| view).collect();
    if let Some(way) = ways.get_mut(which) {
        way.recommended = true;
    }
    MakersSheet { ways, says }
}

/// The one recommended, by its place, and why: a die or a tap where one is there, hands turn it, nothing asks the thread to run true, and
/// it is the quicker.
fn recommended(job: &Job, ways: &[(MakerView, Plan)], voice: Voice) -> (usize, String) {
    let [(point, _), (chased, plan), ..] = ways else { return (0, String::new()) };
    let by = chased.by.word();
    let heavy = plan.chaser.as_ref().is_some_and(|c| !c.twist.by_hand);
    if job.blank.runs_true {
        (0, say!(voice, "maker-runs-true", by = by))
    } else if chased.owned != Some(true) {
        (0, say!(voice, "maker-not-there", by = by))
    } else if heavy {
        (2, say!(voice, "maker-heavy", by = by))
    } else if let Some(why) = chased.against.first() {
        (0, say!(voice, "maker-against", by = by, why = why))
    } else if chased.minutes < point.minutes {
        (1, say!(voice, "maker-quicker", by = by, takes = &chased.takes, point = &point.takes))
    } else {
        (0, say!(voice, "maker-no-quicker", by = by))
    }
}
