//! The lines of a thread made by a die or a tap: whether there is one, whether it turns, what it ends in, and power.

use super::{Line, LineFinding, bad, good, unknown};
use crate::chaser::ChaserSection;
use crate::job::Job;
use crate::making::Maker;
use crate::plan::Plan;
use crate::say;
use crate::watch::Code;
use serde_json::json;

pub(super) fn lines(lines: &mut Line<'_>, chaser: &ChaserSection, plan: &Plan, job: &Job) {
    tool(lines, chaser, plan);
    holding(lines, chaser, plan);
    twist(lines, chaser, plan);
    power(lines, chaser, plan);
    match chaser.by {
        Maker::Tap => hole(lines, chaser, plan, job),
        _ => shoulder(lines, chaser, plan, job),
    }
}

/// Whether one is in the drawer.
fn tool(lines: &mut Line<'_>, chaser: &ChaserSection, plan: &Plan) {
    let name = if chaser.by == Maker::Die { "line-die-there" } else { "line-tap-there" };
    let hand = plan.blank.at_hand.iter().find(|h| h.what == "chaser");
    let finding = match hand {
        Some(hand) if hand.here => good(hand.says.clone()),
        Some(hand) => unknown(hand.says.clone(), say!(plan.voice, "check-chaser-or-point"), Some(json!({"making": {"by": "single_point"}}))),
        None => return,
    };
    lines.put("chaser", name, "setup", finding);
}

/// Whether the end it comes to is free.
fn holding(lines: &mut Line<'_>, chaser: &ChaserSection, plan: &Plan) {
    let voice = plan.voice;
    let against = lines.against(&[Code::Holding]);
    let finding = match against {
        Some(why) => bad(why, say!(voice, "check-free-the-end"), Some(json!({"blank": {"support": null, "holding": "three_jaw"}}))),
        None if chaser.hold_the_work => good(say!(voice, "check-hold-the-work")),
        None => good(say!(voice, "check-end-free", by = chaser.by.word())),
    };
    lines.put("chaser_held", "line-end-free", "blank", finding);
}

fn twist(lines: &mut Line<'_>, chaser: &ChaserSection, plan: &Plan) {
    let voice = plan.voice;
    let against = lines.against(&[Code::Twist]);
    let twist = &chaser.twist;
    let finding: LineFinding = match against {
        // Finished by it, only what is left is cut.
        Some(why) => bad(
            why,
            say!(voice, "check-finish-by-it", by = chaser.by.word()),
            Some(json!({"making": {"by": "single_point", "power": null}, "blank": {"die_finish": true}})),
        ),
        None if !twist.handle_told => {
            unknown(twist.says.clone(), say!(voice, "check-tell-handle"), Some(json!({"making": {"handle_mm": twist.handle_mm.value}})))
        }
        None => good(twist.says.clone()),
    };
    lines.put("twist", "line-twist", "setup", finding);
}

fn power(lines: &mut Line<'_>, chaser: &ChaserSection, plan: &Plan) {
    let against = lines.against(&[Code::PowerChaser]);
    if !chaser.power.chosen {
        return;
    }
    let finding = match against {
        Some(why) => bad(why, say!(plan.voice, "check-by-hand"), Some(json!({"making": {"power": false}}))),
        None => good(chaser.power.says.clone()),
    };
    lines.put("chaser_power", "line-under-power", "setup", finding);
}

/// What a die leaves before a shoulder.
fn shoulder(lines: &mut Line<'_>, chaser: &ChaserSection, plan: &Plan, job: &Job) {
    if !job.blank.shoulder {
        return;
    }
    let voice = plan.voice;
    let short = &chaser.short_mm;
    let finding = match job.blank.relief_width_mm {
        Some(width) if width >= short.value - 1e-9 => good(say!(voice, "check-relief-takes-lead", width = voice.about(width), short = &short.text)),
        _ => {
            let width = (short.value * 2.0).ceil() / 2.0;
            let round = if job.making.turned_round { "yes" } else { "no" };
            let cure = say!(voice, "check-relief-for-lead", width = voice.about(width), round = round);
            unknown(say!(voice, "check-die-short", short = &short.text, full = &chaser.full_mm.text), cure, Some(json!({"blank": {"relief_width_mm": width}})))
        }
    };
    lines.put("chaser_end", "line-chaser-end", "blank", finding);
}

/// Whether a blind hole is deep enough for the last tap.
fn hole(lines: &mut Line<'_>, chaser: &ChaserSection, plan: &Plan, job: &Job) {
    let Some(hole) = chaser.hole.as_ref().filter(|h| h.blind) else { return };
    let voice = plan.voice;
    let wants = hole.full_depth_mm.value - job.thread.length_mm;
    let finding = match job.blank.beyond_mm {
        Some(room) if room >= wants - 1e-9 => good(say!(voice, "check-hole-deep-enough", full = &hole.full_depth_mm.text, tip = &hole.tip_depth_mm.text)),
        Some(room) => bad(
            say!(voice, "check-hole-shallow", room = voice.about(room), wants = voice.least(wants)),
            say!(voice, "check-drill-deeper", full = &hole.full_depth_mm.text, tip = &hole.tip_depth_mm.text),
            Some(json!({"blank": {"beyond_mm": (wants * 10.0).ceil() / 10.0}})),
        ),
        None => unknown(
            say!(voice, "check-hole-untold"),
            say!(voice, "check-drill-deeper", full = &hole.full_depth_mm.text, tip = &hole.tip_depth_mm.text),
            Some(json!({"blank": {"beyond_mm": (wants * 10.0).ceil() / 10.0}})),
        ),
    };
    lines.put("chaser_end", "line-chaser-end", "blank", finding);
}
