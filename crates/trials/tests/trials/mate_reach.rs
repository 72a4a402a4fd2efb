//! Whether the mate reaches the thread: what it carries ahead of its own, and the room there is for that, against a hand's sum.

use serde_json::{Value, json};
use yoke_core::job::Proof;
use yoke_core::plan::plan;
use yoke_trials::{Chance, demo_lathe, settled};

/// How trying the mate is judged: whether it serves, why, the full thread there is and the length of it all.
fn tried(thread: Value, blank: Value, gauge: Value) -> (Option<bool>, String, f64, f64) {
    let (job, lathe, kit) = settled(json!({"thread": thread, "blank": blank, "gauge": gauge, "lathe": demo_lathe(1)})).unwrap();
    let plan = plan(&job, &lathe, &kit);
    let way = plan.proof.ways.iter().find(|w| w.by == Proof::Mate).unwrap();
    let usable = plan.blank.endings.iter().find(|e| e.chosen).map_or(plan.thread.length_mm.value, |e| e.usable_mm.value);
    (way.serves, way.why.clone(), usable, plan.thread.length_mm.value)
}

#[test]
fn a_mate_that_bottoms_before_it_is_on_is_no_proof_and_says_by_how_much() {
    let thread = || json!({"callout": "M20x2.5-6g", "length_mm": 60});
    let shoulder = || json!({"shoulder": true, "relief_width_mm": 6});
    let at = |ahead: f64| tried(thread(), shoulder(), json!({"mate_at_hand": true, "mate_ahead_mm": ahead}));
    // Nothing ahead: as far as there is thread. Ahead by what the relief is wide: still. One more: one short.
    let (serves, why, usable, length) = at(0.0);
    assert_eq!((serves, length), (Some(true), 60.0), "{why}");
    let room = length - usable;
    assert!(room >= 6.0, "{room}");
    assert_eq!(at(room).0, Some(true));
    let (serves, why, ..) = at(room + 1.0);
    assert_eq!(serves, Some(false));
    assert!(why.contains("touch the shoulder first") && why.contains("It lacks 1.0 mm") && why.contains("a wider relief"), "{why}");
    // Told that less is enough, it is; told more than there is, it is not.
    let told = |goes: f64| tried(thread(), shoulder(), json!({"mate_at_hand": true, "mate_ahead_mm": room + 1.0, "mate_goes_on_mm": goes}));
    assert_eq!((told(usable - 1.0).0, told(usable - 0.5).0, told(usable + 5.0).0), (Some(true), Some(false), Some(false)));
    // In a blind bore it is the bottom; with no shoulder the jaws, by the stick-out; where nothing is known there, nothing is said good.
    let blind = tried(json!({"callout": "M36x1.5-6H", "length_mm": 24}), json!({"shoulder": true}), json!({"mate_at_hand": true, "mate_ahead_mm": 30}));
    assert!(blind.0 == Some(false) && blind.1.contains("bottom of the bore"), "{}", blind.1);
    let open = |blank: Value| tried(thread(), blank, json!({"mate_at_hand": true, "mate_ahead_mm": 8}));
    let jaws = open(json!({"stick_out_mm": 64}));
    assert!(jaws.0 == Some(false) && jaws.1.contains("touch the jaws first") && jaws.1.contains("stand the work further out"), "{}", jaws.1);
    assert_eq!(open(json!({"stick_out_mm": 90})).0, Some(true));
    assert_eq!(open(json!({})).0, None, "{}", open(json!({})).1);
    // Not told, it is taken for no plain nut where something stands there; hung on the tailstock it goes on between centres all the way.
    let untold = tried(thread(), shoulder(), json!({"mate_at_hand": true}));
    assert!(untold.0.is_none() && untold.1.contains("was not told"), "{}", untold.1);
    let nose = tried(json!({"callout": "M36x1.5-6H", "length_mm": 24}), json!({"shoulder": true}), json!({"mate_is_nose": true, "mate_ahead_mm": 0}));
    assert!(nose.0 == Some(true) && nose.1.contains("chuck comes off with the work in it"), "{}", nose.1);
    let between = |hung: bool| tried(thread(), json!({"holding": "centres"}), json!({"mate_at_hand": true, "mate_ahead_mm": 0, "mate_hung": hung}));
    assert!(between(false).1.contains("comes out") && between(true).1.contains("hangs on the tailstock"), "{} {}", between(false).1, between(true).1);
}

#[test]
fn what_is_lost_of_the_engagement_is_what_stands_ahead_over_the_room() {
    let mut chance = Chance(23);
    for _ in 0..120 {
        let (length, ahead) = (chance.between(20.0, 120.0).round(), chance.between(0.0, 40.0).round());
        let width = chance.between(5.0, 20.0).round();
        let wants = chance.between(2.0, 60.0).round();
        let (serves, why, usable, all) = tried(
            json!({"callout": "M20x1.5-6g", "length_mm": length + width}),
            json!({"shoulder": true, "relief_width_mm": width}),
            json!({"mate_at_hand": true, "mate_ahead_mm": ahead, "mate_goes_on_mm": wants}),
        );
        // By the front face: it stops at the shoulder, so its first thread stands so far short of it, and no further than there is thread.
        let first_thread_at = (all - ahead).min(usable);
        assert_eq!(serves, Some(first_thread_at + 0.05 >= wants && wants <= usable + 0.05), "{why} {length} {width} {ahead} {wants} {usable}");
    }
}

#[test]
fn the_proof_line_is_red_before_the_first_chip_and_turns_with_what_mends_it() {
    let state = |gauge: Value, width: f64| {
        let (job, lathe, kit) = settled(json!({"thread": {"callout": "M20x2.5-6g", "length_mm": 60}, "blank": {"shoulder": true, "relief_width_mm": width}, "gauge": gauge, "lathe": demo_lathe(1)})).unwrap();
        let plan = plan(&job, &lathe, &kit);
        let line = plan.check.lines.iter().find(|l| l.says.contains("goes on") || l.says.contains("touch the shoulder")).cloned();
        line.map(|l| serde_json::to_value(l.state).unwrap())
    };
    let ahead = |mm: f64| json!({"proof": "mate", "mate_at_hand": true, "mate_ahead_mm": mm});
    assert_eq!(state(ahead(14.0), 7.0), Some(json!("bad")));
    assert_eq!(state(ahead(14.0), 16.0), Some(json!("good")));
    assert_eq!(state(ahead(2.0), 7.0), Some(json!("good")));
}
