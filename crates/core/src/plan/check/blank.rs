//! The blank's lines of the check: its size, how it is held, and how the thread ends.

use super::{Line, LineFinding, bad, good, turned_by_hand, unknown};
use crate::blank::{Beyond, Relief};
use crate::direction::Carriage;
use crate::job::{BlankFacts, EndKind, Ending, Job, Support};
use crate::plan::{Plan, Pointed};
use crate::quantity::SHOWN_MM;
use crate::say;
use crate::thread::Side;
use crate::voice::Voice;
use crate::watch::Code;
use serde_json::{Value, json};

pub(super) fn stock(lines: &mut Line<'_>, plan: &Plan) {
    let voice = plan.voice;
    let against = lines.against(&[Code::BlankSize, Code::BoreLimits]);
    let internal = plan.thread.side == Side::Internal;
    let name = if internal { "line-bore" } else { "line-blank" };
    let wanted = format!("{} to {}", plan.blank.min_mm.text, plan.blank.max_mm.text);
    let side = plan.thread.side.word();
    let turn_to = || say!(voice, "check-stock-to", side = side, aim = &plan.blank.aim_mm.text);
    lines.put(
        "stock",
        name,
        "blank",
        match against {
            Some(why) => bad(why, turn_to(), Some(json!({"blank": {"diameter_mm": null}}))),
            // The stations warn of what spoils the fit; what is outside its limits at all is not called within them.
            None if plan.blank.measured && !(plan.blank.min_mm.value - SHOWN_MM..=plan.blank.max_mm.value + SHOWN_MM).contains(&plan.blank.used_mm.value) => {
                bad(
                    say!(voice, "check-stock-outside", used = &plan.blank.used_mm.text, wanted = &wanted),
                    turn_to(),
                    Some(json!({"blank": {"diameter_mm": null}})),
                )
            }
            None if plan.blank.measured => good(say!(voice, "check-stock-within", used = &plan.blank.used_mm.text, wanted = wanted)),
            None => unknown(
                say!(voice, "check-stock-not-measured", wanted = &wanted),
                say!(voice, "check-stock-measure", side = side, aim = &plan.blank.aim_mm.text),
                Some(json!({"blank": {"diameter_mm": plan.blank.aim_mm.value}})),
            ),
        },
    );
}

pub(super) fn stick_out(lines: &mut Line<'_>, plan: &Plan, job: &Job) {
    let voice = plan.voice;
    let against = lines.against(&[Code::Stickout]);
    let Some(slender) = &plan.blank.slenderness else { return };
    let (how, change) = match slender.asks {
        Some(Support::Centre) => (say!(voice, "check-bring-up-tailstock"), Some(json!({"blank": {"support": "centre"}}))),
        Some(_) => (say!(voice, "check-set-steady"), Some(json!({"blank": {"support": "steady"}}))),
        None => (say!(voice, "check-no-support-serves-work-so"), None),
    };
    lines.put(
        "stick_out",
        "line-stick-out",
        "blank",
        match against {
            Some(why) => bad(why, how, change),
            None if job.blank.stick_out_mm.is_none() => {
                unknown(say!(voice, "check-how-far-stands-out-was", bends = &slender.says), say!(voice, "check-measure-from-jaws-tell"), None)
            }
            None => good(slender.says.clone()),
        },
    );
}

/// The first thread's chamfer, and how true the work runs where that matters.
pub(super) fn ends_true(lines: &mut Line<'_>, plan: &Plan) {
    let voice = plan.voice;
    if let Some(why) = lines.against(&[Code::Chamfer]) {
        let to = plan.blank.chamfer_wanted_mm.value;
        let to = if plan.thread.side == Side::Internal { voice.rule_over(to) } else { voice.rule_under(to) };
        lines.put(
            "chamfer",
            "line-chamfer",
            "blank",
            bad(why, say!(voice, "check-chamfer-to", to = voice.about(to)), Some(json!({"blank": {"chamfer_mm": to}}))),
        );
    }
    let against = lines.against(&[Code::Runout]);
    if let Some(run_out) = &plan.blank.run_out {
        lines.put(
            "run_out",
            "line-runs-true",
            "blank",
            match against {
                Some(why) => bad(why, run_out.mend.clone(), Some(json!({"blank": {"runout_mm": 0.0}}))),
                None => good(run_out.does.clone()),
            },
        );
    }
    if let Some(why) = lines.against(&[Code::Taper]) {
        let mend = plan.blank.parallel.as_ref().map_or_else(String::new, |p| p.mend.clone());
        lines.put("parallel", "line-turns-parallel", "blank", bad(why, mend, Some(json!({"blank": {"parallel": null}}))));
    }
}

/// The wall round a bore.
pub(super) fn wall(lines: &mut Line<'_>, plan: &Plan) {
    let voice = plan.voice;
    let against = lines.against(&[Code::WallThin]);
    let Some(wall) = &plan.blank.wall else { return };
    let soft = wall.pressed.then(|| json!({"blank": {"holding": "faceplate"}}));
    lines.put(
        "wall",
        "line-wall",
        "blank",
        match against {
            Some(why) if wall.pressed => bad(why, say!(voice, "check-clamp-by-face-faceplate-or"), soft),
            Some(why) => bad(why, say!(voice, "check-part-must-be-larger-outside"), None),
            None => good(wall.says.clone()),
        },
    );
}

/// The relief: deep enough for the deepest tip, and wide enough to stop or start in.
pub(super) fn relief(lines: &mut Line<'_>, plan: &Pointed<'_>, job: &Job) {
    let Some(relief) = &plan.blank.relief else {
        lines.answered.extend([Code::ReliefNarrow, Code::ReliefShallow]);
        return;
    };
    let finding = relief_depth(plan, relief, job.blank.relief_diameter_mm, lines.against(&[Code::ReliefShallow]));
    lines.put("relief_depth", "line-relief-deep", "blank", finding);
    let finding = relief_width(plan, relief, &job.blank, lines.against(&[Code::ReliefNarrow]));
    lines.put("relief_width", "line-relief-wide", "blank", finding);
}

fn relief_depth(plan: &Pointed<'_>, relief: &Relief, told: Option<f64>, shallow: Option<String>) -> LineFinding {
    let (voice, wanted) = (plan.voice, relief.diameter_mm.value);
    let deep = if plan.thread.side == Side::Internal { voice.turned_over(wanted) } else { voice.turned_under(wanted) };
    let end = match relief.end {
        EndKind::PlungedRing => "ring",
        EndKind::DrilledPocket => "pocket",
        _ => "relief",
    };
    match (shallow, told) {
        (Some(why), _) => bad(why, say!(voice, "check-relief-to", deep = voice.coarse(deep)), Some(json!({"blank": {"relief_diameter_mm": deep}}))),
        (None, Some(there)) => {
            let past = voice.coarse(0.1 + (there - wanted).abs() / 2.0);
            good(say!(voice, "check-relief-past-tip", there = voice.coarse(there), past = &past))
        }
        (None, None) => unknown(
            say!(voice, "check-relief-untold", end = end, diameter = &relief.diameter_mm.text, width = &relief.width_mm.text),
            say!(voice, "check-turn-before-thread-tell"),
            Some(json!({"blank": {"relief_diameter_mm": deep}})),
        ),
    }
}

fn relief_width(plan: &Pointed<'_>, relief: &Relief, facts: &BlankFacts, narrow: Option<String>) -> LineFinding {
    if plan.blank.body_ahead_mm.is_none() {
        return foremost_untold(say!(plan.voice, "check-foremost-untold-in-bore"), plan.voice);
    }
    let voice = plan.voice;
    let width = voice.rule_over(relief.width_mm.value);
    let carriage = plan.setup.carriage.word();
    match (narrow, facts.relief_width_mm) {
        (Some(why), _) => widened(plan, relief, facts, width, why),
        (None, Some(there)) => good(say!(voice, "check-relief-wide", carriage = carriage, there = voice.coarse(there), needed = &relief.width_mm.text)),
        (None, None) => unknown(
            say!(voice, "check-relief-width-untold", carriage = carriage, needed = &relief.width_mm.text),
            say!(voice, "check-relief-at-least", width = voice.about(width)),
            Some(json!({"blank": {"relief_width_mm": width}})),
        ),
    }
}

/// Whether any thread is left as it ends; a line only where there is none.
pub(super) fn thread_left(lines: &mut Line<'_>, plan: &Pointed<'_>, job: &Job) {
    let Some(why) = lines.against(&[Code::NoThread]) else { return };
    let (voice, least, length) = (plan.voice, plan.thread.pitch_mm.value, plan.thread.length_mm.value);
    // A relief wider than it need be goes before another way of ending.
    let narrower = plan.blank.relief.as_ref().map(|r| voice.rule_over(r.width_mm.value));
    let narrower = narrower.zip(job.blank.relief_width_mm).filter(|(needed, there)| needed < there && length - needed >= least).map(|(needed, _)| needed);
    let other = plan.blank.endings.iter().find(|e| e.recommended && !e.chosen && e.leaves(least));
    let finding = match (narrower, other) {
        (Some(width), _) => bad(why, say!(voice, "check-relief-no-wider", width = voice.about(width)), Some(json!({"blank": {"relief_width_mm": width}}))),
        (None, Some(end)) => {
            let mut change = json!({"blank": {"end": end.end, "relief_width_mm": null}});
            // A ring is by hand of itself; ended otherwise it stays so only where that is told.
            if plan.setup.ending == Ending::Hand {
                change["setup"]["ending"] = json!("hand");
            }
            bad(why, say!(voice, "check-end-it-so", end = &end.says, usable = &end.usable_mm.text), Some(change))
        }
        (None, None) => bad(why, say!(voice, "check-too-short-to-end"), None),
    };
    lines.put("thread_left", "line-thread-left", "blank", finding);
}

/// What mends a relief too narrow for the tool and its stopping: width, a smaller corner, or the spindle by hand.
fn widened(plan: &Pointed<'_>, relief: &Relief, facts: &BlankFacts, width: f64, why: String) -> LineFinding {
    let voice = plan.voice;
    let corner = facts
        .relief_corner_mm
        .zip(relief.corner_mm.as_ref())
        .filter(|(there, most)| *there > most.value + 1e-6)
        .map(|(_, most)| voice.turned_under(most.value));
    let too_narrow = facts.relief_width_mm.is_some_and(|w| w < relief.width_mm.value - 1e-6);
    let mut change = json!({});
    if too_narrow {
        change["blank"]["relief_width_mm"] = json!(width);
    }
    if let Some(corner) = corner {
        change["blank"]["relief_corner_mm"] = json!(corner);
    }
    // A ring or a pocket leaves no room to stop under power, however wide it is made.
    if (!too_narrow && corner.is_none()) || (relief.end != EndKind::Relief && plan.setup.carriage == Carriage::TowardHeadstock) {
        change["setup"]["ending"] = json!("hand");
    }
    let cure = if too_narrow {
        say!(voice, "check-relief-widen", width = voice.about(width))
    } else if corner.is_some() {
        say!(voice, "check-leave-smaller-radius-corners")
    } else {
        say!(voice, "check-turn-spindle-by-hand-last")
    };
    bad(why, cure, Some(change))
}

/// What stands foremost on the tool in a bore is nobody's guess.
fn foremost_untold(why: String, voice: Voice) -> LineFinding {
    bad(why, say!(voice, "check-measure-from-point-whatever-stands"), None)
}

/// What stands beyond an end with nothing turned there, what the cut meets at the tailstock, and the stroke back.
pub(super) fn open_end(lines: &mut Line<'_>, plan: &Pointed<'_>, job: &Job) {
    let against = lines.against(&[Code::EndRoom]);
    if let Some(beyond) = &plan.blank.beyond {
        lines.put("end_room", "line-beyond-end", "blank", end_room(plan, job, beyond, against));
    }
    let setup = &plan.setup;
    if setup.carriage == Carriage::AwayFromHeadstock && setup.ending != Ending::Hand {
        lines.put("tail_room", "line-tail-room", "setup", tail_room(plan, job));
    }
    if let Some(back) = &setup.comes_back {
        lines.put("comes_back", "line-coming-back", "setup", good(back.says.clone()));
    }
}

fn end_room(plan: &Pointed<'_>, job: &Job, beyond: &Beyond, against: Option<String>) -> LineFinding {
    let voice = plan.voice;
    let internal = plan.thread.side == Side::Internal;
    match (against, &beyond.gap_mm) {
        (_, Some(_)) if internal && plan.blank.body_ahead_mm.is_none() => foremost_untold(say!(voice, "check-foremost-untold-behind"), voice),
        (Some(why), None) if job.setup.runout_mm.is_some_and(|room| over_the_room(plan, room)) => bad(
            why,
            say!(voice, "check-turn-groove-start-turn-spindle"),
            Some(json!({"blank": {"end": null}, "setup": {"ending": "hand", "spindle_rpm": null}})),
        ),
        (Some(why), None) => bad(why, say!(voice, "check-turn-groove-start"), Some(json!({"blank": {"end": null}}))),
        (Some(why), Some(_)) => {
            let (says, change) = room_made(plan, job, beyond);
            bad(why, says, Some(change))
        }
        (None, Some(_)) => good(beyond.says.clone()),
        (None, None) if job.setup.runout_mm.is_some() => room_told(plan, job.setup.runout_mm.unwrap_or(0.0)),
        (None, None) => unknown(beyond.says.clone(), say!(voice, "check-measure-from-end-thread-whatever"), None),
    }
}

/// How room is made beyond an end: a groove to start in, the work further out, or what stands there moved.
fn room_made(plan: &Pointed<'_>, job: &Job, beyond: &Beyond) -> (String, Value) {
    let voice = plan.voice;
    let needs = voice.rule_over(beyond.needs_mm.value);
    if job.blank.end == Some(EndKind::Withdraw) && plan.setup.carriage == Carriage::AwayFromHeadstock {
        let tight = job.blank.beyond_mm.is_some_and(|there| there < needs);

        let mut change = json!({"blank": {"end": null}});
        if tight {
            change["blank"]["beyond_mm"] = json!(needs);
        }
        let cure = if tight { say!(voice, "check-groove-and-room", room = voice.about(needs)) } else { say!(voice, "check-turn-groove-start") };
        (cure, change)
    } else if beyond.jaws {
        let out = voice.rule_over(plan.thread.length_mm.value + needs);
        (say!(voice, "check-let-stand-out", out = voice.about(out)), json!({"blank": {"stick_out_mm": out}}))
    } else {
        (say!(voice, "check-make-room-there-tell", needs = voice.about(needs)), json!({"blank": {"beyond_mm": needs}}))
    }
}

/// What the cut meets where it runs toward the tailstock.
fn tail_room(plan: &Pointed<'_>, job: &Job) -> LineFinding {
    let voice = plan.voice;
    if let Some(room) = job.setup.runout_mm {
        return room_told(plan, room);
    }
    let held = job.blank.support != Support::None && plan.thread.side == Side::External;
    unknown(
        say!(voice, "check-cut-runs-toward-room-there", meets = if held { "center" } else { "tailstock" }, stopping = &plan.setup.stopping_mm.text),
        say!(voice, "check-measure-from-end-thread-where"),
        None,
    )
}

/// Whether the carriage runs on past a room that was told.
fn over_the_room(plan: &Pointed<'_>, room: f64) -> bool {
    plan.setup.ending != Ending::Hand && plan.setup.stopping_mm.value > room + SHOWN_MM
}

/// A room to stop in that was told, against what stopping takes.
fn room_told(plan: &Pointed<'_>, room: f64) -> LineFinding {
    let voice = plan.voice;
    let (setup, there) = (&plan.setup, voice.thou(room));
    if setup.ending == Ending::Hand {
        return good(say!(voice, "check-room-by-hand", there = &there));
    }
    let takes = &setup.stopping_mm;
    if over_the_room(plan, room) {
        return bad(say!(voice, "check-room-short", there = &there, takes = &takes.text), say!(voice, "check-by-hand-or-room-there"), turned_by_hand());
    }
    good(say!(voice, "check-room-serves", there = &there, takes = &takes.text))
}
