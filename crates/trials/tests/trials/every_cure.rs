//! The check over thousands of jobs nobody chose: every cure that can be made turns its line, every red line says what to do, every warning has
//! a line that answers for it, and no figure is over a threshold that does not show it.

use serde_json::{Value, json};
use yoke_core::direction::Spindle;
use yoke_core::job::Ending;
use yoke_core::paper::papers;
use yoke_core::plan::{Plan, State, plan as reckon};
use yoke_core::route::Member;
use yoke_core::sheets::setup_sheet;
use yoke_core::thread::series::standards;
use yoke_core::watch::Level;
use yoke_trials::{Chance, cases, demo_lathe, patched, settled};

/// One of a list.
fn one<'a, T>(chance: &mut Chance, list: &'a [T]) -> &'a T {
    #[allow(clippy::cast_possible_truncation, clippy::cast_sign_loss, clippy::cast_precision_loss)]
    let i = (chance.even() * list.len() as f64) as usize;
    &list[i.min(list.len() - 1)]
}

/// A job of random facts, some of them foolish.
pub(super) fn job(chance: &mut Chance) -> Value {
    let standard = one(chance, standards());
    let ratio = |r: &yoke_core::quantity::Ratio| yoke_core::quantity::real(r);
    let (major, pitch) = (ratio(&standard.major), ratio(&standard.pitch));
    let inside = chance.even() < 0.4;
    let mut request =
        json!({"thread": {"callout": standard.name, "side": if inside { "internal" } else { "external" }, "length_mm": major * chance.between(0.3, 5.0)}});
    let mut told = |chance: &mut Chance, share: f64, change: Value| {
        if chance.even() < share {
            patched(&mut request, &change);
        }
    };
    told(chance, 0.2, json!({"thread": {"hand": "left"}}));
    let starts = *one(chance, &[2, 3, 4]);
    told(chance, 0.1, json!({"thread": {"starts": starts}}));
    let engaged = major * chance.between(0.2, 3.0);
    told(chance, 0.2, json!({"thread": {"engagement_mm": engaged}}));
    let lathe = *one(chance, &[0_usize, 1, 2]);
    told(chance, 1.0, json!({"lathe": demo_lathe(lathe)}));
    let blank = if inside { major - pitch * chance.between(0.6, 1.3) } else { major - pitch * chance.between(-0.1, 0.2) };
    told(chance, 0.6, json!({"blank": {"diameter_mm": blank.max(0.3)}}));
    let material = *one(chance, &["mild_steel", "stainless_steel", "brass", "cast_iron"]);
    told(chance, 0.7, json!({"blank": {"material": material}}));
    told(chance, 0.4, json!({"blank": {"shoulder": true}}));
    let (width, across) = (pitch * chance.between(0.5, 8.0), major + pitch * chance.between(-2.0, 2.0));
    told(chance, 0.3, json!({"blank": {"relief_width_mm": width}}));
    told(chance, 0.2, json!({"blank": {"relief_diameter_mm": across.max(0.2)}}));
    let (corner, chamfer) = (pitch * chance.between(0.1, 2.0), major + pitch * chance.between(-2.0, 2.0));
    told(chance, 0.1, json!({"blank": {"relief_corner_mm": corner}}));
    told(chance, 0.2, json!({"blank": {"chamfer_mm": chamfer.max(0.2)}}));
    let (out, beyond, swing) = (major * chance.between(0.5, 12.0), chance.between(0.0, 40.0), chance.between(0.0, 0.8));
    told(chance, 0.5, json!({"blank": {"stick_out_mm": out.max(0.6)}}));
    told(chance, 0.2, json!({"blank": {"beyond_mm": beyond}}));
    let again = chance.even() < 0.5;
    told(chance, 0.2, json!({"blank": {"runout_mm": swing, "rechucked": again}}));
    let support = *one(chance, &["none", "centre", "steady"]);
    told(chance, 0.5, json!({"blank": {"support": support}}));
    if inside {
        let (outside, force) = (major * chance.between(1.05, 2.5), chance.between(0.0, 30_000.0));
        told(chance, 0.4, json!({"blank": {"outside_mm": outside, "jaw_force_n": force}}));
    }
    let end = *one(chance, &["relief", "plunged_ring", "withdraw", "drilled_pocket"]);
    told(chance, 0.2, json!({"blank": {"end": end}}));
    let flat = pitch * chance.between(0.0, 0.5);
    told(chance, 0.5, json!({"bit": {"tip_flat_mm": flat}}));
    let (ahead, height, rake, off) =
        (chance.between(0.0, 12.0), chance.between(-0.15, 0.15) * major.min(6.0), chance.between(0.0, 14.0), chance.between(-2.0, 2.0));
    told(chance, 0.5, json!({"bit": {"body_ahead_mm": ahead}}));
    told(chance, 0.2, json!({"bit": {"height_mm": height}}));
    told(chance, 0.1, json!({"bit": {"rake_deg": rake}}));
    told(chance, 0.1, json!({"bit": {"square_deg": off}}));
    let (lead, trail) = (chance.between(0.0, 20.0), chance.between(-3.0, 12.0));
    told(chance, 0.4, json!({"bit": {"leading_relief_deg": lead, "trailing_relief_deg": trail}}));
    let bit = *one(chance, &["60° HSS 10 mm", "Acme bar 12 mm", "no such bit"]);
    told(chance, 0.2, json!({"bit": {"owned": bit}}));
    let ending = *one(chance, &["dial", "closed", "same_mark", "hand", "chalk_marks"]);
    told(chance, 0.3, json!({"setup": {"ending": ending}}));
    let way = *one(chance, &["toward", "away"]);
    told(chance, 0.2, json!({"setup": {"way": way}}));
    let (rpm, room) = (chance.between(20.0, 700.0).round(), chance.between(0.2, 30.0));
    told(chance, 0.2, json!({"setup": {"spindle_rpm": rpm}}));
    told(chance, 0.2, json!({"setup": {"runout_mm": room}}));
    told(chance, 0.2, json!({"setup": {"comfort_rpm": 300}}));
    let style = *one(chance, &["radial", "flank", "modified_flank", "alternating"]);
    told(chance, 0.3, json!({"cut": {"style": style}}));
    #[allow(clippy::cast_possible_truncation)]
    let passes = chance.between(1.0, 60.0) as i64;
    told(chance, 0.2, json!({"cut": {"passes": passes}}));
    let wires = *one(chance, &[[0.3, 0.5], [1.35, 1.6], [2.5, 4.0]]);
    told(chance, 0.3, json!({"gauge": {"wires_mm": wires}}));
    let at_hand = chance.even() < 0.5;
    told(chance, 0.4, json!({"gauge": {"mate_at_hand": at_hand}}));
    request
}

/// The same made by the die or the tap of its side, some of it foolish.
fn chased(mut request: Value, chance: &mut Chance) -> Value {
    let inside = request["thread"]["side"] == "internal";
    let mut making = json!({"by": if inside { "tap" } else { "die" }, "power": chance.even() < 0.4, "worn": chance.even() < 0.3});
    if chance.even() < 0.6 {
        making["handle_mm"] = json!(chance.between(40.0, 900.0).round());
    }
    if inside {
        making["last_tap"] = json!(one(chance, &["taper", "second", "bottoming"]));
    } else {
        making["turned_round"] = json!(chance.even() < 0.4);
    }
    request["making"] = making;
    request
}

fn planned(request: &Value) -> Option<Plan> {
    let (job, lathe, kit) = settled(request.clone()).ok()?;
    Some(reckon(&job, &lathe, &kit))
}

/// A card, a step, the dial's line or the cycle that speaks of reversing the spindle where the way followed never does.
fn speaks_of_another_ending(request: &Value, plan: &Plan) -> Option<String> {
    let point = plan.pointed()?;
    let reverses = matches!(point.setup.ending, Ending::Closed | Ending::SameMark) || point.setup.spindle == Spindle::Reversed;
    if reverses {
        return None;
    }
    let (job, lathe, _) = settled(request.clone()).ok()?;
    let sheet = setup_sheet(&point, &job, &lathe);
    let member = Member { job: "one", title: "one", plan, facts: &job, lathe: &lathe, apart: false, mate: None, proven: false };
    let texts = [
        serde_json::to_string(&plan.run.cycle).ok()?,
        point.gears.dial.says.clone(),
        serde_json::to_string(&sheet.steps).ok()?,
        serde_json::to_string(&papers(&member)).ok()?,
    ];
    // That a chuck is never to run so is no word of doing it.
    let of_it = |text: &String| text.to_lowercase().contains("reverse the spindle") || text.contains("Spindle in reverse");
    texts.into_iter().find(of_it)
}

#[test]
fn every_cure_turns_its_line_and_every_warning_has_one() {
    let (mut of_nothing, mut other_way) = (Vec::new(), Vec::new());
    let (mut tried, mut by_chaser, mut reds, mut uncured, mut unanswered, mut mute) = (0, 0, 0, Vec::new(), Vec::new(), Vec::new());
    for i in 0..cases(6000) {
        let mut chance = Chance(u64::from(i) * 2_654_435_761 + 17);
        let request = job(&mut chance);
        let request = if i % 6 == 0 { chased(request, &mut chance) } else { request };
        let Some(plan) = planned(&request) else { continue };
        tried += 1;
        if i % 10 == 1
            && let Some(text) = speaks_of_another_ending(&request, &plan)
        {
            other_way.push(text);
        }
        for bad in plan.check.lines.iter().filter(|l| l.state == State::Bad) {
            reds += 1;
            by_chaser += usize::from(plan.chaser.is_some());
            // A red line has a number, and one over its threshold: none is of nothing.
            if [" 0.000 mm", " 0.0 mm", " 0 mm", " 0 rpm", "nothing that shows", "by nothing"].iter().any(|none| bad.says.contains(none)) {
                of_nothing.push(format!("{}: {}", bad.code, bad.says));
            }
            let Some(cure) = &bad.cure else {
                mute.push(format!("{}: {}", bad.code, bad.says));
                continue;
            };
            let Some(change) = &cure.change else { continue };
            let mut cured = request.clone();
            patched(&mut cured, change);
            let after = planned(&cured);
            let line = after.as_ref().and_then(|p| p.check.lines.iter().find(|l| l.code == bad.code).cloned());
            match (after, line) {
                (None, _) => uncured.push(format!("{}: “{}” {change} is refused; was: {} in {request}", bad.code, cure.says, bad.says)),
                (Some(_), Some(line)) if line.state == State::Bad => {
                    uncured.push(format!("{}: “{}” {change} leaves: {}; was: {} in {request}", bad.code, cure.says, line.says, bad.says));
                }
                _ => {}
            }
        }
        // A warning is answered for by a line that is not good, or that says the same.
        for watch in plan.watch.iter().filter(|w| w.level != Level::Note) {
            let said = plan.check.lines.iter().any(|l| l.says.contains(&watch.text) || l.state != State::Good && l.station == watch.station);
            if !said {
                unanswered.push(format!("{}: {}", watch.code.name(), watch.text));
            }
        }
    }
    println!("{tried} jobs, {reds} red lines, {by_chaser} of die or tap; {} cures leave their line, {} warnings unanswered", uncured.len(), unanswered.len());
    let few = |list: &[String]| {
        let mut seen = std::collections::BTreeMap::<String, (usize, String)>::new();
        for s in list {
            seen.entry(s.split(':').next().unwrap_or_default().to_owned()).or_insert((0, s.clone())).0 += 1;
        }
        format!("{seen:#?}")
    };
    assert!(of_nothing.is_empty() && other_way.is_empty(), "{}\n{}\n{}", few(&of_nothing), few(&other_way), few(&uncured));
    assert!(
        tried > 50 && by_chaser > 5 && uncured.is_empty() && mute.is_empty() && unanswered.is_empty(),
        "{}\n{}\n{}",
        few(&uncured),
        few(&mute),
        few(&unanswered)
    );
}
