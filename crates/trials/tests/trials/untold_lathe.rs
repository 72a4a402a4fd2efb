//! What was not told of a lathe: named, and nothing called good that stands on it.

use serde_json::{Value, json};
use yoke_core::faults::read_json;
use yoke_core::job::settle;
use yoke_core::plan::{Plan, State, plan};
use yoke_trials::{SinglePoint, demo_lathe, sound};

/// Where each fact stands, with the line of the check that stands on it for a plain inch thread closed by a dial.
const FACTS: [(&str, &str); 9] = [
    ("/half_nut", ""),
    ("/drive", ""),
    ("/post", ""),
    ("/dial", "dial"),
    ("/cross_slide/reads", ""),
    ("/cross_slide/graduation", ""),
    ("/compound/graduation", "slide"),
    ("/speeds_rpm", "speed"),
    ("/spindle/chuck", ""),
];

fn state(plan: &Plan, code: &str) -> State {
    plan.check.lines.iter().find(|l| l.code == code).unwrap_or_else(|| panic!("no {code}")).state
}

fn taken(plan: &Plan) -> Vec<String> {
    // The yard's lathes coast from a speed nobody told: no fact of these.
    plan.assumptions.iter().map(|a| a.pointer.clone()).filter(|p| p.starts_with("/lathe") && !p.ends_with("coast_at_rpm")).collect()
}

fn on(lathe: &Value, rest: Value) -> Plan {
    let mut asked = json!({"thread": {"callout": "7/8-9 UNC", "length_mm": 40}, "lathe": lathe});
    asked.as_object_mut().unwrap().extend(rest.as_object().unwrap().clone());
    sound(asked)
}

#[test]
fn each_fact_left_out_is_named_alone_and_turns_the_line_that_stands_on_it() {
    let whole = demo_lathe(0);
    let told = on(&whole, json!({}));
    assert!(taken(&told).is_empty(), "{:?}", taken(&told));
    for (pointer, line) in FACTS {
        let mut less = whole.clone();
        let (parent, field) = pointer.rsplit_once('/').unwrap();
        less.pointer_mut(parent).unwrap().as_object_mut().unwrap().remove(field);
        let plan = on(&less, json!({}));
        // A dial's figures are one fact, named by the slide.
        let named = format!("/lathe{}", pointer.strip_suffix("/graduation").unwrap_or(pointer));
        assert_eq!(taken(&plan), [named], "telling one figure changes no other's");
        if !line.is_empty() && (line != "dial" || plan.point().setup.ending == yoke_core::job::Ending::Dial) {
            assert_eq!((state(&told, line), state(&plan, line)), (State::Good, State::Unknown), "{pointer}");
        }
    }
}

#[test]
fn having_none_is_told() {
    let mut lathe = demo_lathe(0);
    lathe["dial"] = Value::Null;
    assert!(taken(&on(&lathe, json!({}))).is_empty());
}

/// A chuck nobody looked at is not called held where the spindle is reversed.
#[test]
fn a_chuck_not_told_is_not_called_held_where_it_could_come_off() {
    let mut lathe = demo_lathe(0);
    lathe["spindle"].as_object_mut().unwrap().remove("chuck");
    for ending in ["closed", "dial"] {
        let plan = on(&lathe, json!({"setup": {"ending": ending}}));
        let line = plan.check.lines.iter().find(|l| l.code == "chuck").unwrap();
        assert_eq!(line.state == State::Good, ending == "dial", "{ending}: {}", line.says);
    }
    lathe["spindle"]["chuck"] = json!("screwed");
    assert_eq!(state(&on(&lathe, json!({"setup": {"ending": "closed"}})), "chuck"), State::Bad);
}

/// A speed that is chosen is one the lathe has, where nobody told which those are.
#[test]
fn a_speed_chosen_stands_where_the_speeds_were_not_told() {
    let mut lathe = demo_lathe(0);
    let refused = state(&on(&lathe, json!({"setup": {"spindle_rpm": 57}})), "speed");
    lathe.as_object_mut().unwrap().remove("speeds_rpm");
    let plan = on(&lathe, json!({"setup": {"spindle_rpm": 57}}));
    assert_eq!((refused, state(&plan, "speed")), (State::Bad, State::Good));
}

#[test]
fn with_no_lathe_each_fact_is_named_and_no_line_of_a_lathe_is_good() {
    for asked in [json!({"thread": {"callout": "M20"}}), json!({"thread": {"callout": "3/4-10 LH"}, "setup": {"spindle_rpm": 60}})] {
        let (request, faults) = read_json(asked);
        let (job, lathe, kit) = settle(&request, None, faults).unwrap();
        let plan = plan(&job, &lathe, &kit);
        let named = taken(&plan);
        for fact in ["", "/dial", "/cross_slide", "/cross_slide/reads", "/compound", "/speeds_rpm", "/spindle/chuck", "/spindle/reverses"] {
            assert!(named.contains(&format!("/lathe{fact}")), "{fact}: {named:?}");
        }
        let says = |at: &str| plan.assumptions.iter().find(|a| a.pointer == at).unwrap().text.as_str();
        assert!(says("/lathe/cross_slide").contains("0.001 in a division and 0.1 in a turn"), "{}", says("/lathe/cross_slide"));
        assert!(says("/lathe/speeds_rpm").contains("60 to 1200 rpm"), "{}", says("/lathe/speeds_rpm"));
        for code in ["gears_hang", "gears_on", "lead", "hand", "speed", "dial", "slide"] {
            let line = plan.check.lines.iter().find(|l| l.code == code).unwrap();
            assert!(line.state != State::Good && (line.state == State::Bad || line.says.starts_with("No lathe was told.")), "{code}: {}", line.says);
            assert!(line.state == State::Bad || line.cure.as_ref().unwrap().change.is_none(), "{code} hangs nothing on a lathe that is not there");
        }
    }
}

/// One that has a name and nothing else is a lathe: what was not told of it is named, and never that there is none.
#[test]
fn a_lathe_of_which_only_its_name_is_told_is_not_said_to_be_none() {
    let plan = on(&json!({"name": "Mill lathe"}), json!({}));
    assert!(plan.check.lines.iter().all(|l| !l.says.contains("No lathe was told")) && !plan.on_no_lathe());
    for code in ["lead", "speed", "dial", "slide"] {
        assert_eq!(state(&plan, code), State::Unknown, "{code}");
    }
}

/// Where the speed is bound by the room it stops in, how far it coasts is measured before the speed is called good.
#[test]
fn a_stop_in_its_room_is_not_called_good_on_a_coasting_nobody_measured() {
    let mut lathe = demo_lathe(0);
    let cut = |lathe: &Value| on(lathe, json!({"blank": {"shoulder": true}, "setup": {"ending": "closed", "runout_mm": 40}}));
    assert_eq!(state(&cut(&lathe), "speed"), State::Good);
    lathe["spindle"].as_object_mut().unwrap().remove("coast_turns");
    let plan = cut(&lathe);
    let line = plan.check.lines.iter().find(|l| l.code == "speed").unwrap();
    assert!(line.state == State::Unknown && line.says.contains("how far it coasts"), "{}", line.says);
}
