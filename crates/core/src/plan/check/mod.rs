//! The one check before the first chip: each line green or red with its number and its cure, or plainly not known.
//!
//! What was judged at the stations is not judged again here: a line stands on the watch of its station, and on what the sections
//! say. A cure that can be made by changing a fact carries the change itself, so that it can be made by one touch and tested.

mod bit;
mod blank;
mod chaser;
mod cut;
mod gauge;
mod gears;
mod setup;

use crate::cut::SlideName;
use crate::job::{Ending, Job, Lathe, LatheFact};
use crate::plan::{Plan, Pointed};
use crate::say;
use crate::setup::SpeedLimit;
use crate::watch::{Code, Level};
use crate::working::round_to_nine;
use serde::Serialize;
use serde_json::{Value, json};

/// How a line stands.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize)]
#[serde(rename_all = "lowercase")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum State {
    /// As it should be.
    Good,
    /// Not to be cut like this.
    Bad,
    /// Not known.
    Unknown,
}

/// What to change.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Cure {
    /// In words.
    pub says: String,
    /// The change itself, as a part of a plan request; under `lathe`, a change of the lathe. Absent where it is done at the
    /// bench or at the shop.
    #[serde(skip_serializing_if = "Option::is_none")]
    #[cfg_attr(feature = "schema", schema(value_type = Option<Object>))]
    pub change: Option<Value>,
}

/// One line of the check.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct CheckLine {
    /// Stable code.
    pub code: &'static str,
    /// What is checked, in a word or two.
    pub name: String,
    /// The station it belongs to.
    pub station: &'static str,
    /// How it stands.
    pub state: State,
    /// With its number.
    pub says: String,
    /// What to change; absent when it is good.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub cure: Option<Cure>,
}

/// The whole check.
#[derive(Debug, Clone, Default, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Check {
    /// Whether nothing stands against the first chip.
    pub ready: bool,
    /// In one sentence.
    pub says: String,
    /// Lines, in working order.
    pub lines: Vec<CheckLine>,
}

/// The spindle turned by hand, as a change of the job.
fn turned_by_hand() -> Option<Value> {
    Some(json!({"setup": {"ending": "hand", "spindle_rpm": null}}))
}

/// The lines as they are put, and the plan they are of.
struct Line<'a> {
    list: Vec<CheckLine>,
    plan: &'a Plan,
    /// Watch codes that some line answers for.
    answered: Vec<Code>,
}

impl Line<'_> {
    fn put(&mut self, code: &'static str, name: &str, station: &'static str, (state, says, cure): LineFinding) {
        self.list.push(CheckLine { code, name: say!(self.plan.voice, name), station, state, says, cure });
    }

    /// What the stations say against it under any of these codes.
    fn against(&mut self, codes: &[Code]) -> Option<String> {
        self.answered.extend(codes);
        let said: Vec<&str> = self.plan.watch.iter().filter(|w| w.level != Level::Note && codes.contains(&w.code)).map(|w| w.text.as_str()).collect();
        (!said.is_empty()).then(|| said.join(" "))
    }
}

type LineFinding = (State, String, Option<Cure>);

fn good(says: impl Into<String>) -> LineFinding {
    (State::Good, says.into(), None)
}

fn bad(says: impl Into<String>, cure: impl Into<String>, change: Option<Value>) -> LineFinding {
    (State::Bad, says.into(), Some(Cure { says: cure.into(), change }))
}

fn unknown(says: impl Into<String>, cure: impl Into<String>, change: Option<Value>) -> LineFinding {
    (State::Unknown, says.into(), Some(Cure { says: cure.into(), change }))
}

/// Makes the check of a plan just reckoned.
#[must_use]
pub fn check(plan: &Plan, job: &Job, lathe: &Lathe) -> Check {
    let mut lines = Line { list: Vec::new(), plan, answered: Vec::new() };
    blank::stock(&mut lines, plan);
    blank::stick_out(&mut lines, plan, job);
    blank::wall(&mut lines, plan);
    blank::ends_true(&mut lines, plan);
    if let Some(pointed) = plan.pointed() {
        of_the_point(&mut lines, &pointed, job, lathe);
    }
    if let Some(chaser) = &plan.chaser {
        chaser::lines(&mut lines, chaser, plan, job);
    }
    gauge::mate(&mut lines, plan);
    gauge::proof(&mut lines, plan);
    if let Some(why) = lines.against(&[Code::NewerFields]) {
        lines.put("newer_fields", "line-all-read", "thread", unknown(why, say!(plan.voice, "check-use-newer-program"), None));
    }
    // No danger and no warning goes unsaid, whatever station found it.
    let rest: Vec<_> = plan.watch.iter().filter(|w| w.level != Level::Note && !lines.answered.contains(&w.code)).cloned().collect();
    for watch in rest {
        lines.put(watch.code.name(), "line-also", watch.station, bad(watch.text, say!(plan.voice, "check-see-station"), None));
    }
    stand_on_untold(&mut lines.list, plan, job, lathe);
    lines.list.iter_mut().filter_map(|l| l.cure.as_mut()?.change.as_mut()).for_each(tidy);
    let count = |state| lines.list.iter().filter(|l| l.state == state).count();
    let (wrong, open) = (count(State::Bad), count(State::Unknown));
    let says = say!(plan.voice, "check-says", wrong = wrong, open = open);
    Check { ready: wrong == 0, says, lines: lines.list }
}

/// The lines of a thread cut by a single point.
fn of_the_point(lines: &mut Line<'_>, plan: &Pointed<'_>, job: &Job, lathe: &Lathe) {
    gears::gears(lines, plan, job, lathe);
    setup::hand(lines, plan);
    setup::load_flank(lines, plan, job);
    bit::tool(lines, plan);
    blank::thread_left(lines, plan, job);
    blank::relief(lines, plan, job);
    blank::open_end(lines, plan, job);
    setup::speed(lines, plan, job, lathe);
    gears::dial(lines, plan);
    setup::chuck(lines, plan, lathe);
    cut::compound(lines, plan);
    cut::passes(lines, plan);
}

/// Whether a line's good word stands on this fact of the lathe.
fn stands_on(code: &str, fact: LatheFact, plan: &Pointed<'_>, job: &Job) -> bool {
    let ending = plan.setup.ending;
    let by_compound = || plan.cut.full_depth.as_ref().is_some_and(|d| d.slide == SlideName::Compound);
    match (code, fact) {
        ("lead", LatheFact::Screw | LatheFact::Gears) | ("comes_back", LatheFact::Coast) => true,
        ("speed", LatheFact::Speeds) => ending != Ending::Hand && job.setup.spindle_rpm.is_none(),
        ("speed", LatheFact::Coast) => ending != Ending::Hand && plan.setup.limits.iter().any(|l| l.limit == SpeedLimit::Stopping),
        ("dial", LatheFact::Dial) => ending == Ending::Dial,
        ("dial", LatheFact::Reverses) => matches!(ending, Ending::Closed | Ending::SameMark),
        ("slide", LatheFact::Compound) => by_compound(),
        ("slide", LatheFact::CrossSlide | LatheFact::CrossSlideReads) => !by_compound(),
        _ => false,
    }
}

/// The same of a line of a die's or a tap's thread.
fn of_a_chaser(code: &str, fact: LatheFact) -> bool {
    matches!((code, fact), ("chaser_held", LatheFact::Chuck) | ("chaser_power", LatheFact::Speeds | LatheFact::Coast | LatheFact::Drive))
}

/// The lines that speak of a lathe, whatever it is.
const OF_THE_LATHE: [&str; 11] = ["gears_hang", "gears_on", "lead", "hand", "comes_back", "speed", "dial", "chuck", "slide", "chaser_held", "chaser_power"];

/// Nothing is called good that stands on what nobody told of the lathe.
fn stand_on_untold(list: &mut [CheckLine], plan: &Plan, job: &Job, lathe: &Lathe) {
    let voice = plan.voice;
    let open = |line: &mut CheckLine, says: String, cure: String| {
        (line.state, line.says, line.cure) = (State::Unknown, says, Some(Cure { says: cure, change: None }));
    };
    if plan.on_no_lathe() {
        for line in list.iter_mut().filter(|l| l.state != State::Bad && OF_THE_LATHE.contains(&l.code)) {
            let says = say!(voice, "check-on-the-plain-lathe", said = &line.says);
            open(line, says, say!(voice, "check-tell-the-lathe"));
        }
        return;
    }
    let pointed = plan.pointed();
    for line in list.iter_mut().filter(|l| l.state == State::Good) {
        let stands = |fact: LatheFact| match &pointed {
            Some(pointed) => stands_on(line.code, fact, pointed, job),
            None => of_a_chaser(line.code, fact),
        };
        let facts = lathe.untold.iter().filter(|fact| stands(**fact));
        let facts: Vec<String> = facts.map(|fact| say!(voice, "check-lathe-fact", fact = fact.name())).collect();
        if !facts.is_empty() {
            let facts = facts.join(", ");
            let says = say!(voice, "check-stands-on-untold", said = &line.says, facts = &facts);
            open(line, says, say!(voice, "check-tell-of-the-lathe", facts = &facts));
        }
    }
}

/// Figures to nine places, as they are sent.
fn tidy(change: &mut Value) {
    match change {
        Value::Object(map) => map.values_mut().for_each(tidy),
        Value::Array(list) => list.iter_mut().for_each(tidy),
        Value::Number(n) if n.is_f64() => *change = n.as_f64().map_or(Value::Null, |v| round_to_nine(v).into()),
        _ => {}
    }
}
