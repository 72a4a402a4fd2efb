//! The set-up's lines of the check: the hand, the speed, the chuck.

use super::{Line, LineFinding, bad, good, unknown};
use crate::gears::DialRule;
use crate::job::{Chuck, Ending, Job, Lathe, Speeds};
use crate::plan::Plan;
use crate::setup::{SetupSection, SpeedLimit};
use crate::thread::section::LOAD_FACES;
use crate::watch::Code;
use serde_json::{Value, json};

pub(super) fn hand(lines: &mut Line<'_>, plan: &Plan) {
    let against = lines.against(&[Code::WrongHand]);
    let (motion, wanted) = (&plan.setup.motion, plan.thread.hand);
    let way = Some(json!({"setup": {"way": null}}));
    lines.put(
        "hand",
        "Hand",
        "setup",
        match (motion.hand, against) {
            (_, Some(why)) if plan.setup.hand_cut != wanted => bad(why, "Let the carriage run the way that suits the hand.", way),
            (Some(given), _) if given != wanted => bad(motion.says.clone(), "Hang the train with the idlers shown.", Some(json!({"gears": {"hang": null}}))),
            (_, Some(why)) => bad(why, "Hang one idler more, or one fewer.", Some(json!({"gears": {"hang": null}}))),
            (None, None) => unknown("Nothing is known of the tumbler.", "Turn the spindle once by hand and see which way the carriage goes.", None),
            (Some(given), None) => good(format!("A {} thread, as wanted.", given.word())),
        },
    );
}

/// Which flank carries the load, of a thread whose flanks are not alike.
pub(super) fn load_flank(lines: &mut Line<'_>, plan: &Plan, job: &Job) {
    let Some(flanks) = plan.thread.flanks_deg else { return };
    let met = flanks.says();
    lines.put(
        "load_flank",
        "Flank that carries the load",
        "thread",
        match job.thread.load_faces {
            Some(faces) => good(format!("It faces the {}: the tool meets {met}.", faces.word())),
            None => unknown(
                format!("Which way it faces was not told: the {} is taken, so the tool meets {met}.", LOAD_FACES.word()),
                "Hold the drawing to the lathe and tell it: turned about, the thread carries its load on the wrong flank.",
                None,
            ),
        },
    );
}

/// How far a lathe's slowest speed may be over a table of starting speeds before the edge is surely burnt. House value.
const STARTING_SPREAD: f64 = 1.5;

/// The speed, against what bounds it.
pub(super) fn speed(lines: &mut Line<'_>, plan: &Plan, job: &Job) {
    lines.answered.push(Code::Stopping);
    let setup = &plan.setup;
    let (speed, limit) = (setup.speed_rpm.value, setup.limit_rpm.value);
    let over = speed > limit + 1e-9;
    let has = match &setup.lathe_speeds {
        Speeds::Steps(list) => list.iter().any(|s| (s - speed).abs() < 1e-6),
        Speeds::Between { from, to } => (*from..=*to).contains(&speed),
    };
    let chosen = job.setup.spindle_rpm.is_some();
    let binds = setup.speed_limit.says();
    let finding = if setup.ending == Ending::Hand {
        good("The spindle is turned by hand.")
    } else if chosen && (!has || (over && setup.lathe_speeds.slowest() <= limit)) {
        speed_chosen(setup, has)
    } else if over {
        slowest_over(plan)
    } else {
        good(format!("{}; {binds} allows {}. It runs on {} before it stops.", setup.speed_rpm.text, setup.limit_rpm.text, setup.stopping_mm.text))
    };
    lines.put("speed", "Speed", "setup", finding);
}

/// The spindle turned by hand, as a change of the job.
fn turned_by_hand() -> Option<Value> {
    Some(json!({"setup": {"ending": "hand", "spindle_rpm": null}}))
}

/// A speed of the user's own that the lathe has not, or that is over what is allowed.
fn speed_chosen(setup: &SetupSection, has: bool) -> LineFinding {
    let why = if has {
        format!("{} is over {}: {} allows no more.", setup.speed_rpm.text, setup.limit_rpm.text, setup.speed_limit.says())
    } else {
        format!("{} is no speed of this lathe.", setup.speed_rpm.text)
    };
    if setup.lathe_speeds.slowest() > setup.limit_rpm.value + 1e-9 {
        bad(why, "Turn the spindle by hand: even the slowest is over what is allowed here.", turned_by_hand())
    } else {
        bad(why, "Leave the speed to the app.", Some(json!({"setup": {"spindle_rpm": null}})))
    }
}

/// Even the lathe's slowest speed is over what is allowed: how much that matters is by what bounds it.
fn slowest_over(plan: &Plan) -> LineFinding {
    let setup = &plan.setup;
    let (speed, limit) = (setup.speed_rpm.value, setup.limit_rpm.value);
    let binds = setup.speed_limit.says();
    if setup.speed_limit == SpeedLimit::Hand {
        return unknown(
            format!("The slowest, {}, is over the {} that {binds} is given.", setup.speed_rpm.text, setup.limit_rpm.text),
            "Try it on air first, hand on the lever, and tell what you care to thread at; or turn the spindle by hand.",
            turned_by_hand(),
        );
    }
    if setup.speed_limit == SpeedLimit::Cutting && speed <= limit * STARTING_SPREAD {
        return unknown(
            format!("The slowest, {}, is over the {} of the table, which is where to start and no limit.", setup.speed_rpm.text, setup.limit_rpm.text),
            "Oil it well and watch the edge; or turn the spindle by hand.",
            turned_by_hand(),
        );
    }
    let stops = setup.speed_limit == SpeedLimit::Stopping;
    let why = if limit < 1.0 {
        format!("There is no room to stop in at any speed; the slowest is {}.", setup.speed_rpm.text)
    } else {
        format!("The slowest, {}, is over {}: {binds} allows no more.", setup.speed_rpm.text, setup.limit_rpm.text)
    };
    let cure = if stops && plan.blank.beyond.is_some() {
        "Turn the spindle by hand, or make room past the end of the thread."
    } else if stops {
        "Turn the spindle by hand for the last turns, widen the relief, or cut away from the shoulder."
    } else {
        "Turn the spindle by hand."
    };
    bad(why, cure, turned_by_hand())
}

pub(super) fn chuck(lines: &mut Line<'_>, plan: &Plan, lathe: &Lathe, job: &Job) {
    lines.answered.push(Code::ChuckUnscrews);
    let reversed = plan.setup.spindle == crate::direction::Spindle::Reversed;
    let back = matches!(plan.setup.ending, Ending::Closed | Ending::SameMark);
    let chalk = plan.setup.endings.iter().any(|e| e.ending == Ending::ChalkMarks && e.serves);
    let other = match plan.gears.dial.rule {
        DialRule::KeepClosed if chalk => "chalk_marks",
        DialRule::KeepClosed => "hand",
        _ => "dial",
    };
    lines.put(
        "chuck",
        "Chuck",
        "setup",
        match (lathe.chuck, reversed, back) {
            (Chuck::Screwed, true, _) => bad(
                "The chuck screws on and the cut runs reversed: it can unscrew.",
                "Run the carriage the other way with the spindle forward.",
                Some(json!({"setup": {"way": null, "wall": null, "ending": if back { Value::from(other) } else { Value::Null }}})),
            ),
            (Chuck::Screwed, false, true) => bad(
                "The chuck screws on and the spindle is reversed after every pass: started hard, it can unscrew.",
                match other {
                    "dial" => format!("Open the {} instead and close it by the dial.", job.voice.words().half_nut),
                    "hand" => "Turn the spindle by hand instead.".to_owned(),
                    _ => format!("Open the {} instead and close it by chalk marks, the carriage back at a fixed stop.", job.voice.words().half_nut),
                },
                Some(json!({"setup": {"ending": other}})),
            ),
            (Chuck::Screwed, false, false) => good("Screwed on, and never run in reverse here. Key out."),
            (_, true, _) => good("Held so that it may run in reverse. Key out."),
            _ => good("Held for the directions used. Key out."),
        },
    );
}
