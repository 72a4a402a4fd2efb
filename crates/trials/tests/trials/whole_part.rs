//! The part drawn whole: what stands along it against a hand's sum, and its drawing against itself.

use serde_json::{Value, json};
use yoke_core::job::{Job, Lathe};
use yoke_core::part::{PieceSheet, sheet};
use yoke_core::plan::{Plan, plan};
use yoke_core::route::{Member, OpKind, Route, StretchKind, along, bench, propose};
use yoke_core::voice::Voice;
use yoke_trials::{Chance, demo_lathe, settled};

struct Made(&'static str, Plan, Job, Lathe);

fn made(id: &'static str, thread: Value, blank: Value) -> Made {
    let (facts, lathe, kit) = settled(json!({"thread": thread, "blank": blank, "lathe": demo_lathe(1)})).unwrap();
    Made(id, plan(&facts, &lathe, &kit), facts, lathe)
}

fn members(made: &[Made]) -> Vec<Member<'_>> {
    made.iter().map(|m| Member { job: m.0, title: m.0, plan: &m.1, facts: &m.2, lathe: &m.3, apart: false, mate: None, proven: false }).collect()
}

fn drawn(members: &[Member<'_>], whole: bool) -> PieceSheet {
    sheet(&propose(members, Voice::default()), members, whole, Voice::default()).pieces.swap_remove(0)
}

/// A stub shaft: a nose, a thread to a journal, a collar, a hexagon, a tail with a left-hand thread on its end.
fn shaft() -> Vec<Made> {
    let plain = json!([
        {"name": "nose", "nominal_mm": 18, "at_mm": 0, "long_mm": 8},
        {"name": "journal", "nominal_mm": 32, "over_mm": -0.02, "under_mm": -0.05, "long_mm": 46},
        {"name": "collar", "nominal_mm": 40, "long_mm": 8},
        {"name": "spanner", "kind": "hexagon", "nominal_mm": 36, "long_mm": 12},
        {"name": "tail", "nominal_mm": 25, "long_mm": 120}
    ]);
    vec![
        made("a", json!({"callout": "M24x2-6g", "length_mm": 30}), json!({"shoulder": true, "shoulder_mm": 32, "from_end_mm": 8, "plain": plain})),
        made("b", json!({"callout": "M20x1.5-6g LH", "length_mm": 40}), json!({"shoulder": true})),
    ]
}

#[test]
fn everything_stands_where_it_was_told_and_the_length_is_its_sum() {
    let made = shaft();
    let members = members(&made);
    let lies = along(&members[0], &members, Voice::default());
    let places: Vec<(&str, f64, f64)> = lies.outside.iter().map(|s| (s.name.as_str(), s.from, s.to)).collect();
    assert_eq!(
        places,
        [
            ("nose", 0.0, 8.0),
            ("M24×2-6g", 8.0, 38.0),
            ("journal", 38.0, 84.0),
            ("collar", 84.0, 92.0),
            ("spanner", 92.0, 104.0),
            ("tail", 104.0, 224.0),
            ("M20×1.5-6g LH", 224.0, 264.0)
        ]
    );
    assert!(lies.known && lies.at_odds.is_empty(), "{:?}", lies.at_odds);
    // Sawn: 264, a millimetre an end, a blade of 3, and a grip of three quarters of the bar: over the hexagon's corners, 36.1 · 1.1547 = 41.68, + 1.
    let saw = bench(&members[0], &members, OpKind::Saw, Voice::default());
    let figures: Vec<f64> = saw.iter().filter_map(|l| l.figure.as_ref()).map(|f| f.value).collect();
    assert!((figures[0] - (36.1 * 2.0 / 3.0_f64.sqrt() + 1.0)).abs() < 1e-6, "{figures:?}");
    assert!((figures[1] - (264.0 + 2.0 + 3.0 + (0.75 * figures[0]).ceil())).abs() < 1e-6, "{figures:?}");
}

#[test]
fn a_whole_length_told_places_the_far_end_and_what_is_between_is_said_untold() {
    let plain = json!([{"name": "overall", "kind": "length", "nominal_mm": 150, "over_mm": 0, "under_mm": -0.5}]);
    let made = [
        made("a", json!({"callout": "M16x2-6g", "length_mm": 40}), json!({"shoulder": true, "shoulder_mm": 22, "plain": plain})),
        made("b", json!({"callout": "M16x2-6g LH", "length_mm": 40}), json!({})),
    ];
    let members = members(&made);
    let lies = along(&members[0], &members, Voice::default());
    assert_eq!((lies.length, lies.known, lies.outside.last().unwrap().from), (150.0, true, 110.0));
    assert_eq!(lies.outside.iter().map(|s| s.stands).collect::<Vec<_>>()[..2], [StretchKind::Thread, StretchKind::Shoulder]);
    assert!(lies.outside.iter().any(|s| s.stands == StretchKind::Untold));
    // From face to face nothing is left out, and nothing stands twice.
    assert!(lies.outside.windows(2).all(|w| (w[0].to - w[1].from).abs() < 1e-9), "{:?}", lies.outside);
}

#[test]
fn what_contradicts_itself_is_said() {
    let of = |blank: Value| {
        let made = [made("a", json!({"callout": "M20x2.5-6g", "length_mm": 60}), blank)];
        drawn(&members(&made), false)
    };
    let over = of(json!({"plain": [{"name": "groove", "nominal_mm": 15, "at_mm": 30, "long_mm": 5}]}));
    assert!(over.at_odds[0].contains("M20×2.5-6g and groove stand over one another from 30 to 35 mm"), "{:?}", over.at_odds);
    let head = json!([{"name": "head", "nominal_mm": 30, "long_mm": 12}]);
    let open = of(json!({"plain": head}));
    assert!(open.at_odds[0].contains("head, ⌀ 30.100 mm, stands right behind M20×2.5-6g"), "{:?}", open.at_odds);
    assert!(of(json!({"shoulder": true, "plain": head})).at_odds.is_empty());
    // With neither place nor length a size is not drawn, and not forgotten.
    let loose = of(json!({"plain": [{"name": "head", "nominal_mm": 30}]}));
    assert_eq!((loose.unplaced.len(), loose.stretches.len()), (1, 1));
    // A length has no place.
    let wrong = settled(json!({"thread": {"callout": "M20"}, "blank": {"plain": [{"name": "all", "kind": "length", "nominal_mm": 90, "at_mm": 3}]}}));
    assert!(wrong.unwrap_err().iter().any(|f| f.pointer == "/blank/plain/0/at_mm"));
}

#[test]
fn every_length_on_an_unbroken_drawing_measures_what_it_says() {
    let mut chance = Chance(22);
    for _ in 0..60 {
        let sizes: Vec<Value> = (0..1 + (chance.even() * 6.0) as usize)
            .map(|i| json!({"name": format!("p{i}"), "kind": if chance.even() < 0.2 { "square" } else { "outside" }, "nominal_mm": chance.between(8.0, 60.0).round(), "long_mm": chance.between(1.0, 200.0).round()}))
            .collect();
        let made = [made("a", json!({"callout": "M24x2-6g", "length_mm": chance.between(10.0, 90.0).round()}), json!({"shoulder": true, "plain": sizes}))];
        let members = members(&made);
        let piece = drawn(&members, true);
        let lengths = piece.drawing.dimensions.iter().filter(|d| d.name.ends_with(".long") || d.name == "whole");
        let mut sum = 0.0;
        for d in lengths {
            assert!(((d.to[0] - d.from[0]).abs() - d.figure.value).abs() < 1e-6, "{} {:?}", d.name, d.figure);
            sum += if d.name == "whole" { -d.figure.value } else { d.figure.value };
        }
        assert!(sum.abs() < 1e-6, "the stretches make up the whole: {sum}");
        // Broken off it is shorter and says the same.
        let broken = drawn(&members, false).drawing;
        assert_eq!(
            broken.dimensions.iter().map(|d| d.figure.text.clone()).collect::<Vec<_>>(),
            piece.drawing.dimensions.iter().map(|d| d.figure.text.clone()).collect::<Vec<_>>()
        );
        assert!(broken.bounds[2] - broken.bounds[0] <= piece.drawing.bounds[2] - piece.drawing.bounds[0] + 1.0);
    }
}

#[test]
fn a_bored_body_is_drawn_round_its_bore_with_the_limits_of_all() {
    let plain = json!([{"name": "overall", "kind": "length", "nominal_mm": 60}, {"name": "suction bore", "kind": "bore", "nominal_mm": 20, "over_mm": 0.021, "under_mm": 0, "long_mm": 36}]);
    let made = [made("a", json!({"callout": "M36x1.5-6H", "length_mm": 24}), json!({"shoulder": true, "outside_mm": 56, "plain": plain}))];
    let members = members(&made);
    let lies = along(&members[0], &members, Voice::default());
    assert_eq!(lies.inside.iter().map(|s| (s.from, s.to)).collect::<Vec<_>>(), [(0.0, 24.0), (24.0, 60.0)]);
    assert_eq!((lies.outside.len(), lies.outside[0].mm, lies.length), (1, 56.0, 60.0));
    let piece = drawn(&members, false);
    let lines: Vec<String> = piece.limits.iter().flat_map(|s| &s.lines).filter_map(|l| l.text.clone()).collect();
    // M36×1.5-6H by the tables: pitch diameter 35.026 to 35.226, bore 34.376 to 34.676.
    for wanted in ["35.026 to 35.226 mm", "34.376 to 34.676 mm", "20.000 to 20.021 mm", "not under 36.000 mm"] {
        assert!(lines.iter().any(|l| l == wanted), "{wanted} of {lines:?}");
    }
    // Nothing told of the route draws the same part.
    assert_eq!(sheet(&Route::default(), &members, false, Voice::default()).pieces.len(), 1);
}

#[test]
fn a_sum_of_the_pad_feeds_the_size_of_its_own_name() {
    let with = |name: &str, feeds: &str| {
        json!({
            "thread": {"callout": "M20x2.5-6g", "length_mm": 40},
            "blank": {"shoulder": true, "plain": [{"name": "journal", "nominal_mm": 30, "long_mm": 20}]},
            // The middle between two shoulders measured from the face: (44 + 56)/2.
            "pad": [{"name": name, "kind": "middle", "figures": [{"value": 44}, {"value": 56}], "feeds": feeds}],
            "lathe": demo_lathe(1)
        })
    };
    let (job, ..) = settled(with("journal", "plain_length")).unwrap();
    assert_eq!((job.blank.plain[0].long_mm, job.blank.plain[0].nominal_mm), (Some(50.0), 30.0));
    let (job, ..) = settled(with("journal", "plain_place")).unwrap();
    assert_eq!(job.blank.plain[0].at_mm, Some(50.0));
    let (job, ..) = settled(with("x", "from_end")).unwrap();
    assert_eq!(job.blank.from_end_mm, Some(50.0));
    assert!(settled(with("head", "plain_size")).unwrap_err().iter().any(|f| f.pointer == "/pad/0/feeds"));
}
