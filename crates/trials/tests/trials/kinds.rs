//! Lathes of every kind that threads: each is planned by its own train, and spoken of without what it has not.

use crate::one_voice::everything;
use serde_json::{Value, json};
use yoke_core::job::{LatheProfile, checked};
use yoke_core::quantity::LengthUnit;
use yoke_core::voice::{Stands, Voice};
use yoke_core::words::Vocabulary;
use yoke_trials::{SinglePoint, reckon, sound};

const MM_PER_INCH: f64 = 25.4;

/// A lathe without a gear to change: an inch box whose plate is all there is.
fn quick_change() -> Value {
    let plate = json!({"unit": "in", "rows": ["A", "B"], "columns": ["1", "2", "3"], "cells": [["8", "10", "12"], ["16", "20", "24"]]});
    json!({"leadscrew": {"tpi": 8}, "gears": "fixed", "plate": plate, "dial": {"teeth": 16, "marks": 4}})
}

/// A little one, cranked, whose slide screw is driven.
fn cranked() -> Value {
    json!({"leadscrew": {"pitch_mm": 1}, "thread_axis": "top_slide", "gears": [20, 25, 30, 40, 50, 60], "drive": "hand", "dial": null,
        "tumbler": null, "readout": null, "speeds_rpm": null})
}

/// One under power with neither half-nut nor compound.
fn always_engaged() -> Value {
    json!({"leadscrew": {"pitch_mm": 2}, "gears": [20, 30, 40, 50, 60, 80], "half_nut": false, "compound": null})
}

fn jobs(lathe: &Value) -> Vec<Value> {
    let mut all: Vec<Value> = [("M8x1.25", 20, true), ("M10x1.5-6H", 12, false), ("1/4-20 UNC-2A", 15, true), ("M6x1 LH", 10, false)]
        .map(|(callout, length, shoulder)| json!({"thread": {"callout": callout, "length_mm": length}, "blank": {"shoulder": shoulder}, "lathe": lathe}))
        .to_vec();
    all.push(json!({"thread": {"callout": "Tr 12x3", "starts": 2, "length_mm": 20}, "lathe": lathe}));
    all
}

/// Every text of a document, whatever it is under; what its owner is asked names what a lathe may have, and is none of it.
fn texts(node: &Value, at: &str, out: &mut Vec<(String, String)>) {
    match node {
        Value::Object(map) => map.iter().filter(|(k, _)| *k != "asks").for_each(|(k, v)| texts(v, &format!("{at}/{k}"), out)),
        Value::Array(list) => list.iter().for_each(|v| texts(v, at, out)),
        Value::String(text) if text.contains(' ') || text.starts_with(char::is_uppercase) => out.push((at.to_owned(), text.clone())),
        _ => {}
    }
}

/// Nothing said of these jobs speaks of what the lathe has not, in American words, British or German.
fn says_none_of(lathe: &Value, unheard: &[&str]) {
    says_none_in(lathe, unheard, &Vocabulary::ALL, usize::MAX);
}

/// The same in some vocabularies, of the first so many jobs.
pub fn says_none_in(lathe: &Value, unheard: &[&str], vocabularies: &[Vocabulary], most: usize) {
    let mut amiss: Vec<String> = Vec::new();
    for words in vocabularies.iter().copied() {
        let voice = Voice { unit: LengthUnit::Mm, words, stands: Stands::Desk, ..Voice::default() };
        for job in jobs(lathe).into_iter().take(most) {
            for (part, said) in everything(&job, voice).unwrap() {
                // What is drawn stands somewhere: a figure that is none is written as null.
                let written = said.to_string();
                assert!(!["x", "y", "r"].iter().any(|at| written.contains(&format!("\"{at}\":null"))), "{part} is drawn nowhere");
                let mut all = Vec::new();
                texts(&said, part, &mut all);
                for (at, text) in all {
                    // That there is none of it may be said.
                    let low = unheard.iter().fold(text.to_lowercase(), |low, w| low.replace(&format!("no {}", w.trim()), ""));
                    amiss.extend(unheard.iter().find(|w| low.contains(**w)).map(|heard| format!("{at} says {heard}: {text}")));
                }
            }
        }
    }
    amiss.sort();
    amiss.dedup();
    assert!(amiss.is_empty(), "{}", amiss.join("\n"));
}

#[test]
fn a_crank_is_told_of_no_speed_no_nut_and_nothing_to_isolate() {
    says_none_of(
        &cranked(),
        &["half-nut", "clasp nut", "schlossmutter", " rpm", "isolate", "under power", "spindle on;", "spindel ein", "reverse the spindle", "thread dial"],
    );
    let plan = serde_json::to_value(sound(jobs(&cranked()).swap_remove(0))).unwrap();
    assert_eq!((&plan["setup"]["speed_rpm"], &plan["setup"]["limits"]), (&Value::Null, &json!([])));
    assert_eq!((&plan["setup"]["ending"], &plan["setup"]["speed_limit"]), (&json!("hand"), &json!("cranked")));
    assert_eq!(plan["setup"]["endings"].as_array().unwrap().len(), 1);
    // Nothing to drive it is the hand.
    let undriven = sound(json!({"thread": {"callout": "M8x1.25"}, "lathe": {"leadscrew": {"pitch_mm": 2}, "drive": null, "speeds_rpm": null}}));
    assert!(undriven.point().setup.speed_rpm.is_none());
    // The slide is the carriage: the cross-slide alone carries depth.
    assert_eq!((&plan["cut"]["style"], &plan["cut"]["passes"][1]["dial"][0]["slide"]), (&json!("radial"), &json!("cross_slide")));
    assert!(plan["setup"]["says"].as_str().unwrap().contains("compound toward the headstock"), "{}", plan["setup"]["says"]);
    // 1.25 mm by a screw of 1 mm: the teeth of the train are as five to four.
    let train = &plan["gears"]["trains"][0];
    let product = |side: &str| train[side].as_array().unwrap().iter().map(|t| t.as_u64().unwrap()).product::<u64>();
    assert_eq!(product("drivers") * 4, product("driven") * 5);
}

#[test]
fn a_screw_always_engaged_is_never_opened() {
    says_none_of(&always_engaged(), &["half-nut", "clasp nut", "schlossmutter", "thread dial", "compound"]);
    let plan = serde_json::to_value(sound(jobs(&always_engaged()).swap_remove(0))).unwrap();
    let ways: Vec<&str> = plan["setup"]["endings"].as_array().unwrap().iter().map(|w| w["ending"].as_str().unwrap()).collect();
    assert_eq!((ways, &plan["setup"]["ending"], &plan["gears"]["dial"]["rule"]), (vec!["closed", "hand"], &json!("closed"), &json!("keep_closed")));
}

#[test]
fn gears_that_cannot_be_changed_are_neither_hung_nor_bought() {
    says_none_of(
        &quick_change(),
        &["isolate", "hang ", "guard off", "gear to buy", "buy the gear", "make or buy.", "add gears", "change gears", "slip of", "train from the spindle"],
    );
    // What the plate prints is the pitch, to the last figure; what it does not print is the nearest of it.
    for (tpi, lever) in [(8.0, "A 1"), (10.0, "A 2"), (12.0, "A 3"), (16.0, "B 1"), (20.0, "B 2"), (24.0, "B 3")] {
        let job = json!({"thread": {"special": {"major_mm": 12, "tpi": tpi, "included_angle_deg": 60}}, "lathe": quick_change()});
        let plan = serde_json::to_value(sound(job)).unwrap();
        let train = &plan["gears"]["trains"][0];
        assert_eq!((&train["gearbox"], &train["drivers"], &train["fits"], &train["swaps"]), (&json!(lever), &json!([]), &json!(true), &json!(0)));
        assert!((train["lead_mm"].as_f64().unwrap() - MM_PER_INCH / tpi).abs() < 1e-9);
        // Turns of the screw of 8: the rule of the dial follows from them, a nut of sixteen teeth and four marks.
        let rule = match tpi as u32 {
            8 | 16 | 24 => "any_position",
            // 4/5 and 2/5 and 2/3: every fourth or second pitch, and a mark each four.
            _ => "every_mark",
        };
        assert_eq!(plan["gears"]["dial"]["rule"], rule, "{tpi}");
    }
    // Gears the plate names are on for good: the pitch is still what it prints.
    let mut with_gears = quick_change();
    with_gears["plate"]["gears"] = json!({"drivers": [40], "driven": [80]});
    let lead = sound(json!({"thread": {"callout": "1/4-20 UNC"}, "lathe": with_gears})).point().gears.trains[0].lead_mm;
    assert!((lead - MM_PER_INCH / 20.0).abs() < 1e-9, "{lead}");
    let metric = serde_json::to_value(sound(json!({"thread": {"callout": "M8x1.25"}, "lathe": quick_change()}))).unwrap();
    let row = &metric["gears"]["trains"][0];
    assert!((row["error_ppm"].as_f64().unwrap() - (MM_PER_INCH / 20.0 / 1.25 - 1.0) * 1e6).abs() < 1e-3);
    let asked = json!({"thread": {"callout": "1/4-20 UNC"}, "lathe": quick_change(), "gears": {"hang": {"drivers": [], "driven": [], "gearbox": "A 2"}}});
    assert_eq!(sound(asked).point().gears.hung.clone().unwrap().train.gearbox, "A 2");
}

#[test]
fn what_a_lathe_has_not_is_refused_by_the_field_that_asks_for_it() {
    let refused = |lathe: Value, asked: Value, pointer: &str| {
        let mut job = json!({"thread": {"callout": "M8x1.25"}, "lathe": lathe});
        yoke_trials::patched(&mut job, &asked);
        let faults = reckon(job).err().unwrap_or_else(|| panic!("{pointer} is taken"));
        assert!(faults.iter().any(|f| f.pointer == pointer), "{pointer}: {faults:?}");
    };
    refused(cranked(), json!({"setup": {"ending": "dial"}}), "/setup/ending");
    refused(cranked(), json!({"setup": {"spindle_rpm": 100}}), "/setup/spindle_rpm");
    refused(cranked(), json!({"cut": {"style": "flank"}}), "/cut/style");
    refused(cranked(), json!({"lathe": {"half_nut": true}}), "/lathe/half_nut");
    refused(always_engaged(), json!({"setup": {"ending": "same_mark"}}), "/setup/ending");
    refused(always_engaged(), json!({"cut": {"compound_angle_deg": 29.5}}), "/cut/compound_angle_deg");
    refused(quick_change(), json!({"gears": {"hang": {"drivers": [40], "driven": [80]}}}), "/gears/hang");
    refused(quick_change(), json!({"lathe": {"mounted": {"drivers": [40], "driven": [80]}}}), "/lathe/mounted");
    for field in ["leadscrew", "cross_slide", "spindle", "post", "speeds_rpm"] {
        let mut lathe = json!({"leadscrew": {"tpi": 8}});
        lathe[field] = Value::Null;
        let faults = checked(&serde_json::from_value(lathe).unwrap(), Voice::default()).unwrap_err();
        assert_eq!(faults.iter().map(|f| f.pointer.clone()).collect::<Vec<_>>(), [format!("/{field}")]);
    }
}

#[test]
fn having_none_is_told_apart_from_not_told_and_comes_back_so() {
    for lathe in [quick_change(), cranked(), always_engaged(), json!({"leadscrew": {"tpi": 8}, "spindle": {"reverses": null}})] {
        let read: LatheProfile = serde_json::from_value(lathe.clone()).unwrap();
        let written = serde_json::to_value(&read).unwrap();
        let again: LatheProfile = serde_json::from_value(written.clone()).unwrap();
        assert_eq!(read, again);
        for (field, told) in lathe.as_object().unwrap() {
            assert_eq!(told.is_null(), written[field].is_null() && written.as_object().unwrap().contains_key(field), "{field}");
        }
        assert!(!written.as_object().unwrap().contains_key("arm"), "what was not told stays untold");
    }
    let part = |lathe: Value, part: &str| {
        let look = yoke_core::shop::look(&serde_json::from_value(lathe).unwrap(), Voice::default()).unwrap();
        let all = serde_json::to_value(&look).unwrap();
        let one = all["parts"].as_array().unwrap().iter().find(|p| p["part"] == part).unwrap().clone();
        (one["told"].clone(), one["says"].clone())
    };
    assert_eq!(part(json!({"dial": null}), "dial"), (json!(true), json!("none")));
    assert_eq!(part(json!({}), "dial"), (json!(false), json!("none")));
    assert_eq!(part(json!({"tumbler": null}), "tumbler"), (json!(true), json!("there is none: idlers give the hand")));
    assert_eq!(part(cranked(), "leadscrew").1, "1 mm, right-hand, driving the compound");
    assert_eq!(part(quick_change(), "gears"), (json!(true), json!("cannot be changed: the levers choose the pitch")));
}
