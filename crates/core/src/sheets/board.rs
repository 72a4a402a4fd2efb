//! A job as the board shows it: what comes next, and a small drawing of its own thread.

use crate::log::{NextStep, RunState};
use crate::outline::Point;
use crate::plan::{Plan, State};
use crate::say;
use crate::thread::Side;
use serde::Serialize;
use yoke_gears::train::counts;

/// The thread in a few strokes.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Sketch {
    /// The line of the metal in section, left to right: along and up, in pitches, its lowest point at nought.
    #[cfg_attr(feature = "schema", schema(value_type = Vec<Vec<f64>>))]
    pub line: Vec<Point>,
    /// Whether the metal lies over the line, as in a bore.
    pub inside: bool,
}

/// What the board shows of a job.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct OnBoard {
    /// What is done next, in a few words.
    pub next: String,
    /// Its thread.
    pub sketch: Sketch,
}

/// What comes next: of one begun, by its run; before that, by what stands in its way, the weightiest first.
fn next(plan: &Plan, run: &RunState) -> String {
    let voice = plan.voice;
    if run.scrapped.is_some() {
        return say!(voice, "board-scrapped");
    }
    if run.finished || run.closed {
        return say!(voice, "board-done");
    }
    if run.stopped {
        return say!(voice, "board-go-on");
    }
    if run.must_touch {
        return say!(voice, "board-find-groove");
    }
    if run.begun {
        let step =
            |step: &NextStep| if plan.run.chased() { say!(voice, "board-step", step = &step.name) } else { say!(voice, "board-cut-pass", n = &step.pass.n) };
        return run.next.as_ref().map_or_else(|| say!(voice, "board-measure-now"), step);
    }
    if plan.on_no_lathe() {
        return say!(voice, "board-tell-lathe");
    }
    if let Some(pair) = &plan.pair
        && pair.first == Some(false)
        && pair.mate_made_mm.is_none()
    {
        return if plan.thread.side == Side::External { say!(voice, "board-nut-first") } else { say!(voice, "board-screw-first") };
    }
    if let Some(hung) = plan.pointed().and_then(|p| p.gears.hung.as_ref()).filter(|h| h.train.swaps > 0) {
        return say!(voice, "board-hang", drivers = counts(&hung.train.drivers), driven = counts(&hung.train.driven));
    }
    match plan.check.lines.iter().filter(|l| l.state == State::Bad).count() {
        0 => say!(voice, "board-ready"),
        n => say!(voice, "board-to-put-right", n = n),
    }
}

/// What the board shows of a job.
#[must_use]
pub fn on_board(plan: &Plan, run: &RunState) -> OnBoard {
    let flank = plan.thread.drawing.shapes.iter().find(|s| s.role == "thread.flank").map(|s| s.line.as_slice()).unwrap_or_default();
    let [left, low] = flank.iter().fold([f64::INFINITY; 2], |[x, y], p| [x.min(p[0]), y.min(p[1])]);
    let pitch = plan.thread.pitch_mm.value;
    let short = |v: f64| (v / pitch * 1e3).round() / 1e3;
    let line = flank.iter().map(|p| [short(p[0] - left), short(p[1] - low)]).collect();
    OnBoard { next: next(plan, run), sketch: Sketch { line, inside: plan.thread.side == Side::Internal } }
}
