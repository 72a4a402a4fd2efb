//! The set-up's lines of the check: the hand, the speed, the chuck.

use super::{Line, LineFinding, bad, good, turned_by_hand, unknown};
use crate::gears::DialRule;
use crate::job::{Chuck, Ending, Job, Lathe, LatheFact, Speeds};
use crate::plan::Pointed;
use crate::say;
use crate::setup::{SetupSection, SpeedLimit};
use crate::thread::section::LOAD_FACES;
use crate::voice::Voice;
use crate::watch::Code;
use serde_json::{Value, json};

pub(super) fn hand(lines: &mut Line<'_>, plan: &Pointed<'_>) {
    let voice = plan.voice;
    let against = lines.against(&[Code::WrongHand]);
    let (motion, wanted) = (&plan.setup.motion, plan.thread.hand);
    let way = Some(json!({"setup": {"way": null}}));
    lines.put(
        "hand",
        "line-hand",
        "setup",
        match (motion.hand, against) {
            (_, Some(why)) if plan.setup.hand_cut != wanted => bad(why, say!(voice, "check-let-carriage-run-way-suits"), way),
            (Some(given), _) if given != wanted => {
                bad(motion.says.clone(), say!(voice, "check-hang-train-with-idlers-shown"), Some(json!({"gears": {"hang": null}})))
            }
            (_, Some(why)) => bad(why, say!(voice, "check-hang-one-idler-more-or"), Some(json!({"gears": {"hang": null}}))),
            (None, None) => unknown(say!(voice, "check-nothing-known-tumbler"), say!(voice, "check-turn-spindle-once-by-hand"), None),
            (Some(given), None) => good(say!(voice, "check-hand-as-wanted", word = given.word())),
        },
    );
}

/// Which flank carries the load, of a thread whose flanks are not alike.
pub(super) fn load_flank(lines: &mut Line<'_>, plan: &Pointed<'_>, job: &Job) {
    let voice = plan.voice;
    let Some(flanks) = plan.thread.flanks_deg else { return };
    let met = flanks.says(voice);
    lines.put(
        "load_flank",
        "line-load-flank",
        "thread",
        match job.thread.load_faces {
            Some(faces) => good(say!(voice, "check-load-flank-faces", word = faces.word(), met = &met)),
            None => unknown(
                say!(voice, "check-which-way-faces-was-not", word = LOAD_FACES.word(), met = &met),
                say!(voice, "check-hold-drawing-lathe-tell-turned"),
                None,
            ),
        },
    );
}

/// How far a lathe's slowest speed may be over a table of starting speeds before the edge is surely burnt. House value.
const STARTING_SPREAD: f64 = 1.5;

/// The speed, against what bounds it.
pub(super) fn speed(lines: &mut Line<'_>, plan: &Pointed<'_>, job: &Job, lathe: &Lathe) {
    let voice = plan.voice;
    lines.answered.push(Code::Stopping);
    let setup = &plan.setup;
    let Some([speed, limit]) = setup.speed_and_limit() else {
        let says = if lathe.cranked() { say!(voice, "check-spindle-cranked") } else { say!(voice, "check-spindle-turned-by-hand") };
        lines.put("speed", "line-speed", "setup", good(says));
        return;
    };
    let over = speed > limit + 1e-9;
    let has = match &setup.lathe_speeds {
        Speeds::Steps(list) => list.iter().any(|s| (s - speed).abs() < 1e-6),
        Speeds::Between { from, to } => (*from..=*to).contains(&speed),
    };
    // What speeds it has nobody told: one that is chosen is one it has.
    let has = has || lathe.lacks(LatheFact::Speeds);
    let chosen = job.setup.spindle_rpm.is_some();
    let binds = setup.speed_limit.says(voice);
    let finding = if chosen && (!has || (over && setup.lathe_speeds.slowest() <= limit)) {
        speed_chosen(setup, has, voice)
    } else if over {
        slowest_over(plan)
    } else {
        good(say!(voice, "check-speed-serves", speed = setup.speed_text(), binds = binds, limit = setup.limit_says(voice), stopping = &setup.stopping_mm.text))
    };
    lines.put("speed", "line-speed", "setup", finding);
}

/// A speed of the user's own that the lathe has not, or that is over what is allowed.
fn speed_chosen(setup: &SetupSection, has: bool, voice: Voice) -> LineFinding {
    let why = if has {
        say!(voice, "check-speed-over", speed = setup.speed_text(), limit = setup.limit_says(voice), speed_limit = setup.speed_limit.says(voice))
    } else {
        say!(voice, "check-no-speed-this-lathe", speed = setup.speed_text())
    };
    if setup.speed_and_limit().is_some_and(|[_, limit]| setup.lathe_speeds.slowest() > limit + 1e-9) {
        bad(why, say!(voice, "check-turn-spindle-by-hand-even"), turned_by_hand())
    } else {
        bad(why, say!(voice, "check-leave-speed-app"), Some(json!({"setup": {"spindle_rpm": null}})))
    }
}

/// Even the lathe's slowest speed is over what is allowed: how much that matters is by what bounds it.
fn slowest_over(plan: &Pointed<'_>) -> LineFinding {
    let voice = plan.voice;
    let setup = &plan.setup;
    let [speed, limit] = setup.speed_and_limit().unwrap_or_default();
    let binds = setup.speed_limit.says(voice);
    if setup.speed_limit == SpeedLimit::Hand {
        return unknown(
            say!(voice, "check-slowest-over-hand", speed = setup.speed_text(), limit = setup.limit_says(voice), binds = binds),
            say!(voice, "check-try-air-first-hand-lever"),
            turned_by_hand(),
        );
    }
    if setup.speed_limit == SpeedLimit::Cutting && speed <= limit * STARTING_SPREAD {
        return unknown(
            say!(voice, "check-slowest-over-table", speed = setup.speed_text(), limit = setup.limit_says(voice)),
            say!(voice, "check-oil-well-watch-edge-or"),
            turned_by_hand(),
        );
    }
    let stops = setup.speed_limit == SpeedLimit::Stopping;
    let why = if limit < 1.0 {
        say!(voice, "check-there-no-room-stop-at", speed = setup.speed_text())
    } else {
        say!(voice, "check-slowest-over", speed = setup.speed_text(), limit = setup.limit_says(voice), binds = binds)
    };
    let cure = if stops && plan.blank.beyond.is_some() {
        say!(voice, "check-by-hand-or-make-room")
    } else if stops {
        say!(voice, "check-by-hand-or-relief")
    } else {
        say!(voice, "check-turn-spindle-by-hand")
    };
    bad(why, cure, turned_by_hand())
}

pub(super) fn chuck(lines: &mut Line<'_>, plan: &Pointed<'_>, lathe: &Lathe) {
    let voice = plan.voice;
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
        "line-chuck",
        "setup",
        match (lathe.chuck, reversed, back) {
            _ if lathe.lacks(LatheFact::Chuck) && (reversed || back) => {
                unknown(say!(voice, "check-chuck-untold"), say!(voice, "check-look-how-chuck-held"), None)
            }
            (Chuck::Screwed, true, _) => bad(
                say!(voice, "check-chuck-screws-cut-runs-reversed"),
                say!(voice, "check-run-carriage-other-way-with"),
                Some(json!({"setup": {"way": null, "wall": null, "ending": if back { Value::from(other) } else { Value::Null }}})),
            ),
            (Chuck::Screwed, false, true) => bad(
                say!(voice, "check-chuck-screws-spindle-reversed-after"),
                match other {
                    "dial" => say!(voice, "check-open-instead-close-by-dial"),
                    "hand" => say!(voice, "check-turn-spindle-by-hand-instead"),
                    _ => say!(voice, "check-open-instead-close-by-chalk"),
                },
                Some(json!({"setup": {"ending": other}})),
            ),
            (Chuck::Screwed, false, false) => good(say!(voice, "check-screwed-never-run-reverse-here")),
            (_, true, _) => good(say!(voice, "check-held-so-may-run-reverse")),
            _ => good(say!(voice, "check-held-directions-used-key-out")),
        },
    );
}
