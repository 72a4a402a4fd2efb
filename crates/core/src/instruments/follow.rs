//! A run followed by the readout of its lathe: how deep the tool stands, and the passes it is seen to make.

use super::passage::{Passes, Place, Seen, Watching};
use super::told::Stands;
use crate::cut::{DepthDial, PassKind, SlideName};
use crate::job::{Job, Lathe};
use crate::log::{ActKind, RunState, name_of};
use crate::plan::Pointed;
use crate::rehearse::Scene;
use crate::run::{RunPass, SAME_MM};
use crate::say;
use crate::voice::Voice;
use serde::{Deserialize, Serialize};

/// Where the readout counts from in a run, as it was told with the point standing there.
#[derive(Debug, Clone, Copy, Default, PartialEq, Serialize, Deserialize)]
#[serde(default, deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Zeros {
    /// The cross-slide with the point at the crest.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub cross_mm: Option<f64>,
    /// The compound there.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub compound_mm: Option<f64>,
    /// The carriage with the point at the headstock end of the thread.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub carriage_mm: Option<f64>,
    /// The readout was away since: it may count from elsewhere.
    pub doubted: bool,
}

impl Zeros {
    /// Whether it is told where the readout counts from.
    #[must_use]
    pub const fn told(&self) -> bool {
        self.cross_mm.is_some() || self.carriage_mm.is_some()
    }
}

/// How a run is followed by the readout of its lathe.
#[derive(Debug, Clone, Default, PartialEq, Serialize, Deserialize)]
#[serde(default, deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Following {
    /// Whether passes are marked by themselves.
    pub marks: bool,
    /// Where the readout counts from.
    pub zeros: Zeros,
    /// When it was last known to count from there, UTC.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub sure: Option<String>,
}

/// Where the point stands when it is told.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum PointAt {
    /// At the crest, the dials at nought.
    Crest,
    /// At the mark a pass ends at.
    Mark,
    /// At the end face of the thread, away from the headstock.
    Face,
}

/// What of a job's set-up a readout is read by.
#[derive(Debug, Clone, PartialEq)]
pub struct Bench {
    watching: Watching,
    /// Deeper: 1 where the tool is fed away from the operator.
    inward: f64,
    /// What sets the depth.
    pub dial: DepthDial,
    mark_mm: f64,
    face_mm: f64,
    cuts: f64,
    /// How fast the carriage goes in the cut, mm a second.
    goes_mm_s: f64,
}

impl Bench {
    /// The job as set up.
    #[must_use]
    pub fn of(plan: &Pointed<'_>, job: &Job, lathe: &Lathe) -> Self {
        let scene = Scene::of(plan, job, lathe);
        let [near, far] = scene.work.surfaces.last().map_or([0.0; 2], |s| [s.from_mm, s.until_mm]);
        let toward = scene.machine.cuts < 0.0;
        // What is withdrawn at its mark is a thread only so far.
        let ends = if toward { near.max(scene.mark_mm.min(far)) } else { near };
        let dial = plan.run.dial.clone();
        let slants = dial.slide == SlideName::Compound;
        Self {
            watching: Watching {
                thread_mm: if toward { [far, ends] } else { [ends, far] },
                pitch_mm: plan.thread.pitch_mm.value,
                division_mm: dial.division_radial_mm(),
                compound_gives: slants.then(|| 1.0 / dial.travel_per_radial),
            },
            inward: if plan.setup.infeed_away { 1.0 } else { -1.0 },
            mark_mm: scene.mark_mm,
            face_mm: far,
            cuts: scene.machine.cuts,
            goes_mm_s: scene.goes_mm_s(),
            dial,
        }
    }

    /// How far the carriage is shown behind where it is, mm, at this interval between readings.
    #[must_use]
    pub fn late_mm(&self, interval_s: f64) -> f64 {
        interval_s * self.goes_mm_s
    }

    /// What the readout counts from, once more of it is told with the point standing there.
    #[must_use]
    pub fn told(&self, zeros: Zeros, at: PointAt, stands: &Stands) -> Zeros {
        let along = |from: f64| stands.carriage_mm.map(|c| c + from).or(zeros.carriage_mm);
        match at {
            PointAt::Crest => Zeros { cross_mm: stands.cross_mm, compound_mm: stands.compound_mm, doubted: false, ..zeros },
            PointAt::Mark => Zeros { carriage_mm: along(self.mark_mm), ..zeros },
            PointAt::Face => Zeros { carriage_mm: along(self.face_mm), ..zeros },
        }
    }
}

/// Where the tool stands, as far as the readout and its zeros tell.
#[derive(Debug, Clone, Copy, Default, PartialEq)]
pub struct Tool {
    /// The cross-slide's depth under the crest, mm.
    pub cross_mm: Option<f64>,
    /// How far the compound is wound in from the crest, mm.
    pub compound_mm: Option<f64>,
    /// Depth the slide that is set gives, mm radial.
    pub set_mm: Option<f64>,
    /// Along the bed, from the headstock end of the thread, mm.
    pub along_mm: Option<f64>,
    /// What is left to the mark, mm; under nought past it.
    pub to_mark_mm: Option<f64>,
}

/// Follows a run, reading by reading.
#[derive(Debug, Clone)]
pub struct Follow {
    /// The job as set up.
    pub bench: Bench,
    /// Where the readout counts from.
    pub zeros: Zeros,
    passes: Passes,
    /// Whether the carriage went back to before the thread since the last pass seen, and over it again.
    returned: bool,
    again: bool,
}

impl Follow {
    /// Nothing seen yet.
    #[must_use]
    pub const fn new(bench: Bench, zeros: Zeros) -> Self {
        let passes = Passes::new(bench.watching);
        Self { bench, zeros, passes, returned: false, again: false }
    }

    /// The same, the readout counting from there: a passage on its way is forgotten where that is elsewhere.
    #[must_use]
    pub fn from(mut self, zeros: Zeros) -> Self {
        if zeros != self.zeros {
            self.passes.silent();
            self.zeros = zeros;
        }
        self
    }

    /// Where the tool stands by what the readout shows.
    #[must_use]
    pub fn tool(&self, stands: &Stands) -> Tool {
        let Bench { inward, watching, mark_mm, cuts, .. } = &self.bench;
        let from = |is: Option<f64>, zero: Option<f64>| is.zip(zero).map(|(is, zero)| is - zero);
        let cross_mm = from(stands.cross_mm, self.zeros.cross_mm).map(|mm| mm * inward);
        let compound_mm = from(stands.compound_mm, self.zeros.compound_mm).map(|mm| mm * inward);
        let along_mm = from(stands.carriage_mm, self.zeros.carriage_mm).map(|mm| -mm);
        Tool {
            cross_mm,
            compound_mm,
            set_mm: match watching.compound_gives {
                Some(gives) => compound_mm.map(|mm| mm * gives),
                None => cross_mm,
            },
            along_mm,
            to_mark_mm: along_mm.map(|at| (mark_mm - at) * cuts),
        }
    }

    /// One more reading, s and where things stand; what it ends is seen. While the zero is in doubt nothing is.
    pub fn reads(&mut self, at_s: f64, stands: &Stands) -> Option<Seen> {
        let tool = self.tool(stands);
        let (Some(cross_mm), Some(along_mm), false) = (tool.cross_mm, tool.along_mm, self.zeros.doubted) else {
            self.passes.unplaced(at_s);
            return None;
        };
        let watching = &self.bench.watching;
        let along = watching.along(along_mm);
        self.again |= self.returned && along > watching.pitch_mm;
        self.returned |= along <= 0.0;
        let compound_mm = watching.compound_gives.and(tool.compound_mm);
        let seen = self.passes.reads(Place { at_s, along_mm, cross_mm, compound_mm });
        if seen.is_some() {
            (self.returned, self.again) = (along <= 0.0, false);
        }
        seen
    }

    /// How far the carriage is shown behind where it is, mm.
    #[must_use]
    pub fn late_mm(&self) -> f64 {
        self.bench.late_mm(self.passes.interval_s())
    }

    /// Whether the tool went over the thread again since the last pass seen: what is told then is another.
    #[must_use]
    pub const fn over_again(&self) -> bool {
        self.again
    }

    /// A passage was seen and not marked: a pass told now is told of that one.
    pub const fn unmarked(&mut self) {
        self.again = true;
    }

    /// Nothing more is heard: what was on its way is not known, and what is told next is told of another.
    pub fn silent(&mut self) {
        self.passes.silent();
        self.again = true;
    }
}

/// What came of a passage.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum CameCode {
    /// Marked at its row's depth.
    Marked,
    /// Marked, deeper than its row.
    Deeper,
    /// Marked, shallower than its row.
    Shallower,
    /// Marked, its depth unseen.
    Unseen,
    /// It was told already.
    Same,
    /// Asked: once more at the same depth.
    Again,
    /// Above what is cut already: nothing was cut.
    Dry,
    /// Another thing was to be done first.
    OutOfStep,
    /// Too few readings.
    TooFast,
    /// Not heard whole.
    Untrusted,
    /// It could not be recorded.
    NotKept,
}

/// A passage and what came of it.
#[derive(Debug, Clone, PartialEq)]
pub struct Came {
    /// What.
    pub code: CameCode,
    /// The pass it was taken for.
    pub pass: Option<RunPass>,
    /// How deep it went, mm radial, where that was seen.
    pub radial_mm: Option<f64>,
    /// Past its row, mm radial.
    pub past_mm: f64,
    /// What is recorded, or offered where it is only asked.
    pub act: Option<ActKind>,
}

impl Came {
    /// Told of a pass that was seen already.
    #[must_use]
    pub const fn same() -> Self {
        Self::of(CameCode::Same)
    }

    const fn of(code: CameCode) -> Self {
        Self { code, pass: None, radial_mm: None, past_mm: 0.0, act: None }
    }

    /// Whether what it holds is recorded unasked.
    #[must_use]
    pub const fn marks(&self) -> bool {
        matches!(self.code, CameCode::Marked | CameCode::Deeper | CameCode::Shallower | CameCode::Unseen | CameCode::Same)
    }

    /// In words.
    #[must_use]
    pub fn says(&self, dial: &DepthDial, voice: Voice) -> String {
        let dial = dial.clone().said_in(voice.words);
        let at = dial.nearest(self.radial_mm.unwrap_or(0.0)).setting.text;
        let by = dial.nearest(self.past_mm.abs()).setting.text;
        let pass = self.pass.as_ref().map_or(String::new(), |pass| name_of(pass, voice));
        match self.code {
            CameCode::Marked => say!(voice, "came-marked", pass = pass, at = at),
            CameCode::Deeper => say!(voice, "came-deeper", pass = pass, at = at, by = by),
            CameCode::Shallower => say!(voice, "came-shallower", pass = pass, at = at, by = by),
            CameCode::Unseen => say!(voice, "came-unseen", pass = pass),
            CameCode::Same if self.past_mm > 0.0 => say!(voice, "came-same-deeper", at = at, by = by),
            CameCode::Same => say!(voice, "came-same"),
            CameCode::Again => say!(voice, "came-again", at = at),
            CameCode::Dry => say!(voice, "came-dry", at = at),
            CameCode::OutOfStep => say!(voice, "came-out-of-step"),
            CameCode::TooFast => say!(voice, "came-too-fast"),
            CameCode::Untrusted => say!(voice, "came-untrusted"),
            CameCode::NotKept => say!(voice, "came-not-kept"),
        }
    }
}

/// What a passage seen is to the run as it stands. `told` where a pass was told since the passage began: then it is that one.
#[must_use]
pub fn came(seen: &Seen, told: bool, state: &RunState, dial: &DepthDial) -> Came {
    let radial = match seen {
        Seen::TooFast { .. } | Seen::Untrusted { .. } if told => return Came::same(),
        Seen::TooFast { .. } => return Came::of(CameCode::TooFast),
        Seen::Untrusted { .. } => return Came::of(CameCode::Untrusted),
        Seen::Pass { radial_mm, .. } => *radial_mm,
    };
    let half = dial.half_mm() + SAME_MM;
    let reading = |radial: f64| (dial.reading_of_radial(radial) * 1e4).round() / 1e4;
    let deeper = |than: f64| radial.map_or(0.0, |r| r - than);
    if told {
        let past_mm = if deeper(state.stands_mm) > half { deeper(state.stands_mm) } else { 0.0 };
        let act = radial.filter(|_| past_mm > 0.0).map(|r| ActKind::StandsAt { reading: reading(r) });
        return Came { code: CameCode::Same, pass: None, radial_mm: radial, past_mm, act };
    }
    let over = Came { radial_mm: radial, ..Came::of(CameCode::OutOfStep) };
    let Some(pass) = state.next.as_ref().map(|step| step.pass).filter(|_| !state.stopped && !state.closed) else { return over };
    let Some(radial) = radial else {
        return Came { code: CameCode::Unseen, pass: Some(pass), act: Some(done(&pass)), ..over };
    };
    let past_mm = radial - pass.radial_mm;
    let row = Came { pass: Some(pass), past_mm, ..over };
    let cut = state.begun && state.stands_mm > SAME_MM;
    // A side-step is not seen: at one depth it may be a spring pass as well.
    let as_before = cut && (radial - state.stands_mm).abs() <= half && (pass.kind != PassKind::Spring || pass.side_mm != 0.0);
    if as_before && (past_mm.abs() > half || pass.side_mm != 0.0) {
        return Came { code: CameCode::Again, act: Some(ActKind::Sprung {}), ..row };
    }
    if past_mm.abs() <= half {
        return Came { code: CameCode::Marked, act: Some(done(&pass)), ..row };
    }
    if cut && radial < state.stands_mm {
        return Came { code: CameCode::Dry, ..row };
    }
    let code = if past_mm > 0.0 { CameCode::Deeper } else { CameCode::Shallower };
    Came { code, act: Some(ActKind::Took { n: pass.n, reading: reading(radial) }), ..row }
}

const fn done(pass: &RunPass) -> ActKind {
    ActKind::PassDone { n: pass.n, radial_mm: pass.radial_mm }
}
