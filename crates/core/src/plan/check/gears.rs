//! The gears' lines of the check: whether a train hangs, is on, and is true; and the half-nut.

use super::{Line, LineFinding, bad, good, unknown};
use crate::gears::{HungTrain, TrainRow};
use crate::job::{Job, Lathe};
use crate::plan::Pointed;
use crate::say;
use crate::voice::Voice;
use crate::watch::{Code, DOUBTFUL_SHARE};
use serde_json::{Value, json};

/// Whether a train hangs, is on, and is true enough.
pub(super) fn gears(lines: &mut Line<'_>, plan: &Pointed<'_>, job: &Job, lathe: &Lathe) {
    let against = lines.against(&[Code::TrainUnfit]);
    let Some(hung) = &plan.gears.hung else {
        lines.put("gears_hang", HANG, "gears", none_hangs(job, lathe, against));
        return;
    };
    let finding = match against {
        Some(why) => hangs_not(plan, hung, why),
        None => hangs(hung, plan.voice),
    };
    lines.put("gears_hang", HANG, "gears", finding);
    if !lathe.gears_fixed {
        lines.put("gears_on", "line-gears-on", "gears", on_it(hung, lathe, plan.voice));
    }
    let finding = match lines.against(&[Code::LeadError]) {
        Some(why) => lead_untrue(plan, hung, lathe, why),
        None => good(hung.judged.clone()),
    };
    lines.put("lead", "line-lead-true", "gears", finding);
}

const HANG: &str = "line-gears-hang";

/// The change of the job that hangs a train.
fn hang(row: &TrainRow) -> Value {
    json!({"gears": {"hang": {"drivers": row.drivers, "driven": row.driven, "gearbox": row.gearbox}}})
}

/// Trains that could be hung.
fn hangable<'a>(plan: &Pointed<'a>) -> impl Iterator<Item = &'a TrainRow> {
    plan.gears.trains.iter().filter(|r| r.fits != Some(false) && r.why_not.is_none())
}

/// No train was found, perhaps for the bounds it was looked for in.
fn none_hangs(job: &Job, lathe: &Lathe, why: Option<String>) -> LineFinding {
    let voice = job.voice;
    let facts = &job.gears;
    let narrowed = facts.max_error.is_some() || facts.gearbox.is_some() || facts.keep.is_some() || facts.max_changes.is_some();
    let open = json!({"gears": {"exact_only": null, "max_error_ppm": null, "gearbox": null, "keep": null, "max_changes": null, "hang": null}});
    let cure = match (narrowed, lathe.gears_fixed) {
        (true, _) => say!(voice, "check-look-trains-without-those-bounds"),
        (_, true) => say!(voice, "check-levers-other-pitch"),
        _ => say!(voice, "check-add-gears-lathe-or-see"),
    };
    bad(why.unwrap_or_default(), cure, narrowed.then_some(open))
}

/// The train there is does not hang.
fn hangs_not(plan: &Pointed<'_>, hung: &HungTrain, why: String) -> LineFinding {
    let voice = plan.voice;
    let free = hangable(plan).next().filter(|r| r.drivers != hung.train.drivers || r.driven != hung.train.driven);
    match (free, hung.chosen) {
        (_, true) => bad(why, say!(voice, "check-leave-train-app"), Some(json!({"gears": {"hang": null}}))),
        (Some(row), false) => bad(why, say!(voice, "check-hang-instead", train = teeth(row)), Some(hang(row))),
        (None, false) => bad(why, say!(voice, "check-no-train-these-gears-hangs"), None),
    }
}

/// It hangs, by the arm as measured or by its tooth counts alone.
fn hangs(hung: &HungTrain, voice: Voice) -> LineFinding {
    if hung.train.drivers.is_empty() {
        return good(say!(voice, "check-levers-alone", lever = &hung.train.gearbox));
    }
    if hung.train.fits.is_none() {
        return unknown(say!(voice, "check-by-tooth-counts-alone-arm", train = teeth(&hung.train)), say!(voice, "check-hang-with-slip-paper-each"), None);
    }
    if hung.train.fit_basis == Some("seen") {
        return good(say!(voice, "check-seen-to-hang", train = teeth(&hung.train)));
    }
    let tight = hung.clearances.first().map_or_else(String::new, |c| format!(" Tightest, {}: {}.", c.between, c.room_mm.text));
    good(format!("{}.{tight}", teeth(&hung.train)))
}

/// Whether it is what hangs on the lathe now.
fn on_it(hung: &HungTrain, lathe: &Lathe, voice: Voice) -> LineFinding {
    if hung.train.swaps == 0 {
        return good(lever_at(&hung.train, voice, "check-on-the-lathe", "check-on-the-lathe-lever"));
    }
    // A lathe with nothing on it is one whose gears nobody told, unless it was said that nothing is.
    let untold = !lathe.nothing_on && lathe.mounted.drivers.is_empty() && lathe.mounted.driven.is_empty();
    let says = if untold { say!(voice, "check-wanted-what-hangs-there-was", train = teeth(&hung.train)) } else { to_change(&hung.train, lathe, voice) };
    let judged = if untold { unknown } else { bad };
    judged(
        says,
        say!(voice, "check-machine-isolated-hang-guard-back"),
        Some(json!({"lathe": {"mounted": {"drivers": hung.train.drivers, "driven": hung.train.driven}}})),
    )
}

/// The lead's error takes more of the room than may be: a truer train, or a shorter nut.
fn lead_untrue(plan: &Pointed<'_>, hung: &HungTrain, lathe: &Lathe, why: String) -> LineFinding {
    let voice = plan.voice;
    if let Some(row) = hangable(plan).find(|r| r.error_ppm.abs() < 0.3 * hung.train.error_ppm.abs()) {
        return bad(why, format!("Hang {}: {}.", teeth(row), row.error_text), Some(hang(row)));
    }
    // As much of the room as is harmless, and a hair under it.
    let room = plan.gauge.max_mm.value - plan.gauge.min_mm.value;
    let engaged = plan.thread.engagement_mm.value;
    let gears = if lathe.gears_fixed { "fixed" } else { "changed" };
    let shorter = engaged * room * DOUBTFUL_SHARE / hung.takes_mm.value.abs().max(1e-9) * CLOSER_WHEN_SHORT;
    if shorter < plan.thread.pitch_mm.value {
        return bad(why, say!(voice, "check-no-nut-short-enough-buy", gears = gears), None);
    }
    bad(why, say!(voice, "check-engage-no-more-than-nut", shorter = voice.about(shorter), gears = gears), Some(json!({"thread": {"engagement_mm": shorter}})))
}

/// A shorter mate is given a closer tolerance by some standards: at the least, this share of the room.
const CLOSER_WHEN_SHORT: f64 = 0.6;

/// What hangs there and what comes off and goes on, in words.
fn to_change(row: &TrainRow, lathe: &Lathe, voice: Voice) -> String {
    let [off, on] = yoke_gears::changes(row.drivers.iter().copied(), row.driven.iter().copied(), &lathe.mounted);
    let some = |n: usize, way: &'static str| (n > 0).then(|| say!(voice, "check-gears-to", n = n, way = way));
    let list: Vec<String> = some(off, "off").into_iter().chain(some(on, "on")).collect();
    say!(voice, "check-to-change", train = teeth(row), changes = list.join(", "))
}

/// What is said of a train, with the lever where there is more than one place of it.
fn lever_at(row: &TrainRow, voice: Voice, straight: &'static str, at: &'static str) -> String {
    let train = teeth(row);
    if row.gearbox == "direct" { say!(voice, straight, train = train) } else { say!(voice, at, train = train, lever = &row.gearbox) }
}

/// A train as it is said.
fn teeth(row: &crate::gears::TrainRow) -> String {
    if row.drivers.is_empty() {
        return row.gearbox.clone();
    }
    let pairs = row.drivers.iter().zip(&row.driven).map(|(a, b)| format!("{a}/{b}"));
    pairs.collect::<Vec<_>>().join(" · ")
}

pub(super) fn dial(lines: &mut Line<'_>, plan: &Pointed<'_>) {
    let voice = plan.voice;
    let against = lines.against(&[Code::DialUnsafe]);
    let ending = plan.setup.endings.iter().find(|e| e.chosen);
    let said = ending.map_or("", |e| e.says.as_str());
    lines.put(
        "dial",
        "line-half-nut",
        "gears",
        match (against, ending) {
            (Some(why), _) => bad(why, say!(voice, "check-end-as-suits-train"), Some(json!({"setup": {"ending": null}}))),
            (None, Some(way)) if !way.serves => bad(
                say!(voice, "check-not-with-this-lathe-train", said = said, consequence = &way.consequence),
                say!(voice, "check-end-as-suits-lathe"),
                Some(json!({"setup": {"ending": null}})),
            ),
            _ => good(say!(voice, "check-ending", said = said)),
        },
    );
}
