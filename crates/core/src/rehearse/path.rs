//! A learner's path: ten short tasks from watching to three times running, each with what it proves; what was done of it is kept.

use super::drill::Drill;
use super::hand::{FEWEST, THROWN_AWAY};
use super::tries::Tries;
use crate::say;
use crate::voice::Voice;
use serde::Serialize;

/// What a task asks.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
enum Asks {
    /// To watch it played so.
    Watch(&'static str),
    /// To do it well so many times running.
    Running(usize),
    /// As many tries as make the hand known.
    Known,
}

/// A task of the path.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct TaskView {
    /// Stable name.
    pub code: String,
    /// The drill it is of.
    pub drill: Drill,
    /// The way it is watched; absent where it is done.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub play: Option<&'static str>,
    /// What is to be done.
    pub name: String,
    /// What that proves.
    pub proves: String,
    /// Whether it is done.
    pub done: bool,
    /// How far it is, where it takes more than one.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub so_far: Option<[usize; 2]>,
}

/// The tasks of a job's drills, in order: first how passes end, then how the next begins.
fn tasks(drills: &[Drill]) -> Vec<(Drill, Asks)> {
    let Some(stop) = drills.first().copied() else { return Vec::new() };
    let then = drills.iter().copied().find(|d| matches!(d, Drill::CatchMark | Drill::Cycle | Drill::ToZero));
    let other = then.or_else(|| drills.iter().copied().find(|d| *d != stop && d.sample().is_some()));
    let mistake = match other {
        Some(Drill::CatchMark) => "missed",
        Some(Drill::Cycle) => "tool-in",
        Some(Drill::ToZero) => "past-nought",
        _ => "late",
    };
    let mut all = vec![
        (stop, Asks::Watch("right")),
        (Drill::FirstPass, Asks::Running(1)),
        (stop, Asks::Watch("late")),
        (stop, Asks::Running(1)),
        (stop, Asks::Running(3)),
        (stop, Asks::Known),
    ];
    let of_the_other = [Asks::Watch("right"), Asks::Running(1), Asks::Watch(mistake), Asks::Running(3)];
    all.extend(other.into_iter().flat_map(|drill| of_the_other.map(|asks| (drill, asks))));
    all.retain(|(drill, _)| drills.contains(drill));
    all
}

impl Asks {
    fn code(self, drill: Drill) -> String {
        match self {
            Self::Watch(play) => format!("watch_{play}:{}", drill.word()),
            Self::Running(n) => format!("running_{n}:{}", drill.word()),
            Self::Known => format!("known:{}", drill.word()),
        }
    }
}

impl Tries {
    /// One more try went so; the tasks it does are done.
    pub fn went(&mut self, id: u64, drill: Drill, good: bool) {
        self.path.tried(id, drill, good);
        let running = self.path.running(drill);
        for n in [1, 3] {
            if running >= n {
                self.path.does(Asks::Running(n).code(drill));
            }
        }
        if self.counted(drill) >= FEWEST {
            self.path.does(Asks::Known.code(drill));
        }
    }

    /// A way of a drill was watched to its end; whether there is such a task.
    pub fn watched(&mut self, drill: Drill, play: &str) -> bool {
        let known = ["right", "late", "missed", "tool-in", "past-nought"].into_iter().find(|p| *p == play);
        if let Some(play) = known {
            self.path.does(Asks::Watch(play).code(drill));
        }
        known.is_some()
    }
}

/// The path of a job's drills, as far as it was gone.
#[must_use]
pub fn path(drills: &[Drill], tries: &Tries, voice: Voice) -> Vec<TaskView> {
    let view = |(drill, asks): (Drill, Asks)| {
        let (what, code) = (drill.name(voice), asks.code(drill));
        let done = tries.path.is_done(&code);
        let (play, name, so_far) = match asks {
            Asks::Watch(play) => {
                let how = say!(voice, "rehearse-play", play = play);
                (Some(play), say!(voice, "rehearse-task-watch", what = what, how = how), None)
            }
            Asks::Running(n) => (None, say!(voice, "rehearse-task-running", what = what, n = n), (n > 1).then(|| [tries.path.running(drill).min(n), n])),
            Asks::Known => (None, say!(voice, "rehearse-task-known", what = what, n = FEWEST + THROWN_AWAY), Some([tries.counted(drill).min(FEWEST), FEWEST])),
        };
        let kind = match asks {
            Asks::Watch("right") => "watch",
            Asks::Watch(_) => "mistake",
            Asks::Running(1) => "once",
            Asks::Running(_) => "running",
            Asks::Known => "known",
        };
        let proves = say!(voice, "rehearse-proves", kind = kind, drill = drill.word());
        TaskView { code, drill, play, name, proves, done, so_far: so_far.filter(|_| !done) }
    };
    tasks(drills).into_iter().map(view).collect()
}
