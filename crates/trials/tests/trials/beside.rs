//! Operations beside the thread: each card's figures against a hand reckoning, what it asks, and what its order costs.

use serde_json::{Value, json};
use yoke_core::route::{ADDED, Member, OpFacts, OpKind, Operation, Route, SetUp, card_of, may_add, minutes_of, remarks, temper_colour};
use yoke_core::voice::Voice;
use yoke_core::words::Vocabulary;
use yoke_trials::{demo_lathe, patched, settled, sound};

fn with<T>(more: &Value, run: impl FnOnce(&Member<'_>) -> T) -> T {
    let mut request = json!({"thread": {"callout": "M20x2.5-6g", "length_mm": 30}, "lathe": demo_lathe(1), "blank": {"diameter_mm": 19.9}});
    patched(&mut request, more);
    let plan = sound(request.clone());
    let (job, lathe, _) = settled(request).unwrap();
    run(&Member { job: "pin", title: "pin", plan: &plan, facts: &job, lathe: &lathe, apart: false, mate: None, proven: false })
}

fn op(kind: OpKind, told: OpFacts) -> Operation {
    Operation { id: format!("{kind:?}"), kind, job: Some("pin".into()), told, ..Operation::default() }
}

/// The figure of a line of a card, and its words.
fn card(kind: OpKind, told: OpFacts) -> Vec<(String, Option<f64>, String)> {
    with(&json!({}), |m| {
        let lines = card_of(&op(kind, told), m, &[*m], Voice::default());
        lines.into_iter().map(|l| (l.says, l.figure.as_ref().map(|q| q.value), l.text.unwrap_or_default())).collect()
    })
}

fn figure(card: &[(String, Option<f64>, String)], line: &str) -> f64 {
    card.iter().find(|l| l.0 == line).unwrap_or_else(|| panic!("no {line} in {card:?}")).1.unwrap()
}

fn says(card: &[(String, Option<f64>, String)]) -> String {
    card.iter().map(|l| format!("{}: {}; ", l.0, l.2)).collect()
}

#[test]
fn the_figures_of_each_card_are_those_of_a_hand_reckoning() {
    let near = |a: f64, b: f64| assert!((a - b).abs() < 1e-6, "{a} {b}");
    // 2 deep from 30 is 26; the Gap bed's cross-slide reads the diameter.
    let groove = card(OpKind::Groove, OpFacts { diameter_mm: Some(30.0), width_mm: Some(5.0), depth_mm: Some(2.0), at_mm: Some(12.0), ..OpFacts::default() });
    near(figure(&groove, "To diameter"), 26.0);
    assert!(says(&groove).contains("Cross-slide: ") && says(&groove).contains("plunge"), "{}", says(&groove));
    // 10 reamed: 0.2 left; a drill cuts 0.06 and half a per cent over, so 9.69.
    let ream = card(OpKind::Ream, OpFacts { diameter_mm: Some(10.0), ..OpFacts::default() });
    near(figure(&ream, "Drill"), (9.8 - 0.06) / 1.005);
    // Wheels of 1 mm on 19.9: 62.5 go round, so 62, on 19.735; straight it grows by half a pitch.
    let knurl = card(OpKind::Knurl, OpFacts { pitch_mm: Some(1.0), ..OpFacts::default() });
    near(figure(&knurl, "Turn to, under the knurl"), 62.0 / std::f64::consts::PI);
    assert!(says(&knurl).contains("62 teeth") && says(&knurl).contains("20.2 mm straight"), "{}", says(&knurl));
    // A hexagon of 17 has 19.63 across corners: on 19.9 they are full, on 19 rounded; 1.45 off each side.
    let hexagon = card(OpKind::Hexagon, OpFacts { across_mm: Some(17.0), ..OpFacts::default() });
    near(figure(&hexagon, "Across corners"), 17.0 / 30_f64.to_radians().cos());
    near(figure(&hexagon, "Off each side"), 1.45);
    assert!(says(&hexagon).contains("sharp corners"));
    assert!(says(&card(OpKind::Hexagon, OpFacts { across_mm: Some(18.0), ..OpFacts::default() })).contains("corners stay round"));
    // Two flats of 16 on 20: the chord is 12.
    let flats = card(OpKind::Flats, OpFacts { diameter_mm: Some(20.0), across_mm: Some(16.0), ..OpFacts::default() });
    near(figure(&flats, "Each flat wide"), 12.0);
    // A cut of π closes the ring by 1 on the diameter.
    near(figure(&card(OpKind::Split, OpFacts { width_mm: Some(std::f64::consts::PI), ..OpFacts::default() }), "Closed, smaller on diameter by"), 1.0);
    // A mandrel of half a millimetre on the metre rises 0.02 over 40.
    near(figure(&card(OpKind::Mandrel, OpFacts { diameter_mm: Some(12.0), length_mm: Some(40.0), ..OpFacts::default() }), "It rises over the length by"), 0.02);
    // The hole across the thread, 9.95 from its side to its middle, and what it does there.
    let across = card(OpKind::CrossDrill, OpFacts { diameter_mm: Some(4.0), at_mm: Some(10.0), ..OpFacts::default() });
    near(figure(&across, "Middle of the work from its side"), 9.95);
    assert!(says(&across).contains("comes out in the thread"));
    assert!(says(&card(OpKind::CrossDrill, OpFacts { diameter_mm: Some(4.0), at_mm: Some(40.0), ..OpFacts::default() })).contains("beside the thread"));
}

#[test]
fn colours_are_the_table_s_and_what_does_not_harden_says_so() {
    let of = [(220.0, "pale-straw"), (232.0, "dark-straw"), (262.0, "brown-purple"), (280.0, "purple"), (299.0, "dark-blue"), (330.0, "pale-blue")];
    assert!(of.iter().all(|(c, colour)| temper_colour(*c) == Some(colour)));
    assert_eq!([temper_colour(180.0), temper_colour(400.0)], [None, None]);
    let harden = |material: &str| {
        with(&json!({"blank": {"material": material}}), |m| {
            card_of(&op(OpKind::Harden, OpFacts::default()), m, &[*m], Voice::default()).into_iter().filter_map(|l| l.text).collect::<String>()
        })
    };
    assert!(harden("drill_rod").contains("hardens: to its maker") && harden("mild_steel").contains("does not harden so"));
    for kind in [OpKind::Harden, OpKind::Temper, OpKind::Weld, OpKind::Knurl, OpKind::Polish, OpKind::CrossDrill] {
        assert!(says(&card(kind, OpFacts::default())).contains("Caution: "), "{kind:?}");
    }
}

#[test]
fn every_one_of_them_has_a_card_of_its_own_and_says_what_is_still_to_tell() {
    let mut cards = std::collections::BTreeSet::new();
    for kind in ADDED.into_iter().filter(|k| *k != OpKind::Own) {
        let bare = card(kind, OpFacts::default());
        assert!(!bare.is_empty() && cards.insert(says(&bare)), "{kind:?}");
        // The place's own diameter is taken from the part; the rest is asked.
        let open = kind.asks().iter().any(|f| *f != "diameter_mm");
        assert!(!open || says(&bare).contains("Still to tell: "), "{kind:?}: {}", says(&bare));
        let took = with(&json!({}), |m| minutes_of(&op(kind, OpFacts::default()), Some(m), &[*m], &[]));
        assert!(took.set + took.each > 0.0, "{kind:?}");
    }
    // In inches and in British nothing of the other stands.
    let voice = Voice { unit: yoke_core::quantity::LengthUnit::In, words: Vocabulary::British, ..Voice::default() };
    for kind in ADDED {
        let told = OpFacts { diameter_mm: Some(25.4), ..OpFacts::default() };
        let lines = with(&json!({"unit": "in", "words": "british"}), |m| card_of(&op(kind, told), m, &[*m], voice));
        let text = serde_json::to_string(&lines.iter().map(|l| (l.figure.as_ref().map(|q| q.text.clone()), l.text.clone())).collect::<Vec<_>>()).unwrap();
        assert!(!text.contains(" mm") && !text.contains("color"), "{kind:?}: {text}");
    }
    assert_eq!(may_add(Voice::default()).len(), ADDED.len());
}

#[test]
fn what_is_told_is_held_to_what_is_asked_and_to_the_part() {
    let faults = |kind: OpKind, told: OpFacts| {
        let route = Route { setups: vec![SetUp { id: "s".into(), held: "chuck".into(), ops: vec![op(kind, told)], ..SetUp::default() }] };
        route.check(&["pin"], Voice::default()).into_iter().map(|f| f.pointer).collect::<Vec<_>>()
    };
    let at = |field: &str| vec![format!("/setups/0/ops/0/told/{field}")];
    assert_eq!(faults(OpKind::Temper, OpFacts { width_mm: Some(3.0), ..OpFacts::default() }), at("width_mm"));
    assert_eq!(faults(OpKind::Temper, OpFacts { temper_c: Some(20.0), ..OpFacts::default() }), at("temper_c"));
    assert_eq!(faults(OpKind::Flats, OpFacts { diameter_mm: Some(20.0), across_mm: Some(20.0), ..OpFacts::default() }), at("across_mm"));
    assert_eq!(faults(OpKind::Groove, OpFacts { diameter_mm: Some(20.0), depth_mm: Some(f64::NAN), ..OpFacts::default() }), at("depth_mm"));
    assert_eq!(faults(OpKind::Groove, OpFacts { diameter_mm: Some(20.0), depth_mm: Some(10.0), ..OpFacts::default() }), at("depth_mm"));
    assert!(faults(OpKind::Groove, OpFacts { diameter_mm: Some(20.0), depth_mm: Some(2.0), ..OpFacts::default() }).is_empty());
}

#[test]
fn hardened_it_is_not_threaded_and_what_presses_hard_comes_first() {
    with(&json!({"blank": {"material": "drill_rod"}}), |m| {
        let said = |kinds: &[OpKind]| {
            let ops = kinds.iter().map(|k| op(*k, OpFacts::default())).collect();
            let route = Route { setups: vec![SetUp { id: "s".into(), piece: Some("pin".into()), held: "chuck".into(), ops, ..SetUp::default() }] };
            remarks(&route, &[*m], Voice::default()).into_iter().map(|r| r.says).collect::<Vec<_>>()
        };
        use OpKind::{CrossDrill, Harden, Knurl, Polish, Temper, Thread};
        assert!(said(&[Knurl, CrossDrill, Thread, Harden, Temper, Polish]).is_empty());
        let wrong = said(&[Harden, Thread, Knurl, Polish, Temper]);
        assert_eq!(wrong.len(), 3, "{wrong:?}");
        assert!(wrong.iter().any(|w| w.contains("hardened, it is not cut any more")) && wrong.iter().any(|w| w.contains("springs the work")), "{wrong:?}");
    });
}
