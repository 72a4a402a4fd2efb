//! Trains on the demo lathes: fit by a second geometry, direction, dial, changes, order.

use proptest::prelude::*;
use serde_json::{Value, json};
use yoke_core::gears::{DialRule, TrainRow};
use yoke_core::outline::Circle;
use yoke_trials::{SinglePoint, demo_lathe, on, sound, watches};

/// Every pitch the yard cuts, on each of its lathes.
const THREADS: [&str; 8] = ["M6", "M10", "M16x2", "M20x2.5", "M36x1.5", "7/8-9 UNC", "1/4-20", "1-12 UNF"];

/// The train laid out by coordinates: the stud where circles about the two shafts meet.
fn clears_by_coordinates(lathe: &Value, row: &TrainRow) -> Option<bool> {
    let group = &lathe["gear_groups"][0];
    let m = group["module_mm"].as_f64().unwrap_or_else(|| 25.4 / group["dp"].as_f64().unwrap());
    let arm = &lathe["arm"];
    let (c, shaft) = (arm["stud_to_leadscrew_mm"].as_f64().unwrap(), arm["shaft_radius_mm"].as_f64().unwrap());
    let reach = [arm["slot_reach_mm"][0].as_f64().unwrap(), arm["slot_reach_mm"][1].as_f64().unwrap()];
    let ([a, cc], [b, d]) = (row.drivers.as_slice(), row.driven.as_slice()) else { return None };
    let [a, b, cc, d] = [a, b, cc, d].map(|z| m * f64::from(*z) / 2.0);
    let (r1, r2) = (a + b, cc + d);
    let x = (r1 * r1 - r2 * r2 + c * c) / (2.0 * c);
    if r1 * r1 < x * x {
        return Some(false);
    }
    let stud = [x, (r1 * r1 - x * x).sqrt()];
    let to = |p: [f64; 2]| (stud[0] - p[0]).hypot(stud[1] - p[1]);
    let (to_spindle, to_screw) = (to([0.0, 0.0]), to([c, 0.0]));
    assert!((to_spindle - r1).abs() < 1e-9 && (to_screw - r2).abs() < 1e-9, "both meshes are true at the place found");
    let in_slot = (reach[0]..=reach[1]).contains(&to_screw);
    // A gear on the stud stays a millimetre off the shaft it does not belong to.
    Some(in_slot && to_screw - (b + m) - shaft > 1.0 && to_spindle - (cc + m) - shaft > 1.0)
}

#[test]
fn every_row_that_fits_fits_by_a_second_geometry() {
    let mut compounds = 0;
    for index in 0..3 {
        let lathe = demo_lathe(index);
        for thread in THREADS {
            let plan = sound(json!({"thread": {"callout": thread}, "lathe": lathe, "gears": {"limit": 60}}));
            for row in &plan.point().gears.trains {
                // One with an idler has a shaft more than this geometry knows; its layout is checked by hand elsewhere.
                if let Some(clears) = clears_by_coordinates(&lathe, row).filter(|_| row.idlers.is_empty()) {
                    // Rows that do not fit may do so in another order of the same gears; those shown as fitting must.
                    assert!(row.fits != Some(true) || clears, "{thread}: {row:?}");
                    compounds += usize::from(clears);
                }
                assert_eq!(row.fits == Some(true), row.why_not.is_none(), "what does not fit says why: {row:?}");
            }
        }
    }
    assert!(compounds > 100, "the test saw real trains: {compounds}");
}

#[test]
fn rows_are_ranked_fit_then_error_then_changes() {
    for thread in THREADS {
        let rows = on(0, thread).point().gears.trains.clone();
        assert_eq!(rows.iter().filter(|r| r.closest).count(), 1, "{thread}");
        for pair in rows.windows(2).filter(|p| !p[1].closest) {
            let rank = |r: &TrainRow| (r.fits != Some(true), (r.error_ppm.abs() * 1e3).round() as i64, r.swaps);
            assert!(rank(&pair[0]) <= rank(&pair[1]), "{thread}: {pair:?}");
        }
        let mut seen = std::collections::BTreeSet::new();
        for row in &rows {
            let (mut a, mut b) = (row.drivers.clone(), row.driven.clone());
            a.sort_unstable();
            b.sort_unstable();
            assert!(seen.insert((a, b, row.gearbox.clone())), "{thread}: the same gears twice: {row:?}");
        }
    }
}

#[test]
fn changes_are_counted_from_what_is_mounted() {
    let mut lathe = demo_lathe(0);
    lathe["mounted"] = json!({"drivers": [40, 100], "driven": [80, 127]});
    let plan = sound(json!({"thread": {"callout": "M20x2.5"}, "lathe": lathe}));
    let hung = &plan.point().gears.hung.as_ref().unwrap().train;
    assert_eq!((hung.swaps, hung.drivers.as_slice()), (0, [40, 100].as_slice()), "what is on already comes first among the exact");
    assert!(!watches(&plan, "note", "guards"), "nothing to change, nothing to isolate for");
}

#[test]
fn the_dial_rule_is_that_of_the_train_hung() {
    // 4 TPI, 16 teeth, 8 marks, as every owner of one learns it.
    for (callout, rule, every) in [
        ("1-8 UNC", DialRule::AnyPosition, None),
        ("3/4-10", DialRule::EveryMark, None),
        ("7/8-9 UNC", DialRule::Marks, Some(2)),
        ("M20x2.5", DialRule::KeepClosed, None),
    ] {
        let dial = on(0, callout).point().gears.dial.clone();
        assert_eq!((dial.rule, dial.every), (rule, every), "{callout}");
    }
    // Gap bed, 6 mm: M36×1.5 turns it a quarter a turn: anywhere. 7/8-9 needs 127: never.
    assert_eq!(on(1, "M36x1.5").point().gears.dial.rule, DialRule::AnyPosition);
    assert_eq!(on(1, "7/8-9 UNC").point().gears.dial.rule, DialRule::KeepClosed);
    // M20×2.5 there is 5/12: five pitches apart, which the 15- and 20-tooth dial gears count.
    let dial = on(1, "M20x2.5").point().gears.dial.clone();
    assert!(matches!(dial.teeth, Some(15 | 20)) && dial.rule == DialRule::Marks, "{dial:?}");
    // No dial at all: 16×2 on a 2 mm screw is 1:1, anywhere; M10×1.5 is 3/4, never.
    assert_eq!(on(2, "M16x2").point().gears.dial.rule, DialRule::AnyPosition);
    assert_eq!(on(2, "M10").point().gears.dial.rule, DialRule::KeepClosed);
}

#[test]
fn a_train_forced_by_hand_is_judged_not_refused() {
    let hang = |drivers: Value, driven: Value| {
        sound(json!({"thread": {"callout": "M20x2.5", "engagement_mm": 40}, "lathe": demo_lathe(0), "gears": {"hang": {"drivers": drivers, "driven": driven}}}))
    };
    // 63/160 is 125 ppm out: 4.5 µm per 40 mm on the flank is harmless.
    let near = hang(json!([28, 72]), json!([64, 80]));
    let hung = near.point().gears.hung.as_ref().unwrap();
    assert!((hung.train.error_ppm - 125.0).abs() < 0.5 && hung.judged.contains("harmless"), "{}", hung.judged);
    assert!((hung.takes_mm.value - 125e-6 * 40.0 * 3_f64.sqrt()).abs() < 1e-6);
    // A wrong one binds, and says the longest nut that would still run.
    let wrong = hang(json!([40]), json!([100]));
    assert!(watches(&wrong, "danger", "lead_error"));
    // The longest nut: its own error over that length takes the whole room.
    let wrong_hung = wrong.point().gears.hung.as_ref().unwrap();
    let room = 0.170;
    let longest = room / 3_f64.sqrt() / (wrong_hung.train.error_ppm * 1e-6);
    assert!(wrong_hung.judged.contains(&format!("longer than {longest:.1} mm")), "{} wants {longest}", wrong_hung.judged);
    let unowned = hang(json!([41]), json!([100]));
    assert!(watches(&unowned, "warn", "train_unfit"));
    let foul = hang(json!([24, 24]), json!([127, 100]));
    assert!(watches(&foul, "danger", "train_unfit"), "{:?}", foul.watch);
}

#[test]
fn drawn_gears_mesh_and_turn_against_each_other() {
    for thread in THREADS {
        let plan = on(0, thread);
        let drawing = plan.point().gears.drawing.clone().unwrap();
        let gears: Vec<(&str, Circle)> = drawing.shapes.iter().filter(|s| s.role.starts_with("gear")).map(|s| (s.role, s.circle.unwrap())).collect();
        let apart = |p: &Circle, q: &Circle| (p.x - q.x).hypot(p.y - q.y);
        let mut meshes = 0;
        for (i, (_, p)) in gears.iter().enumerate() {
            for (_, q) in &gears[i + 1..] {
                if apart(p, q) < 1e-6 {
                    assert_eq!(p.turns, q.turns, "gears on one stud turn together");
                } else if (apart(p, q) - p.r - q.r).abs() < 1e-3 {
                    assert_eq!(p.turns.map(|t| -t), q.turns, "gears in mesh turn against each other");
                    meshes += 1;
                }
            }
        }
        let hung = &plan.point().gears.hung.as_ref().unwrap().train;
        assert_eq!(meshes, hung.drivers.len() + hung.idlers.len(), "{thread}: from shaft to shaft, idlers and all");
    }
}

proptest! {
    #![proptest_config(ProptestConfig::with_cases(40))]

    #[test]
    fn any_drawer_gives_an_answer_in_bounds(gears in prop::collection::vec(5_i64..400, 2..40), tpi in 1_i64..40, limit in 1_i64..60, marks in 1_i64..20, teeth in 5_i64..60) {
        let plan = sound(json!({"thread": {"callout": "M20"}, "lathe": {"leadscrew": {"tpi": tpi}, "gears": gears, "dial": {"teeth": teeth, "marks": marks}}, "gears": {"limit": limit}}));
        // The closest is listed beside the best even where one row is asked for.
        prop_assert!(plan.point().gears.trains.len() <= usize::try_from(limit).unwrap().max(2));
        prop_assert!(!plan.point().gears.trains.is_empty(), "two gears always make a train");
        prop_assert!(plan.point().gears.trains_total >= plan.point().gears.trains.len());
        prop_assert!(plan.point().gears.trains.iter().all(|r| r.fits.is_none() && r.fit_basis == Some("bench_rule")), "no arm, no claim");
    }
}

#[test]
fn near_sizes_save_a_gear_or_the_dial_and_only_where_the_one_asked_does_not() {
    // The Long bed, 4 TPI with 40/80 mounted, cuts 8 TPI as it stands, and 1-8 closes on any mark of no dial: 4/8 is 1/2.
    let seven = sound(json!({"thread": {"callout": "1-1/8-7"}, "lathe": demo_lathe(0)}));
    let near = &seven.point().gears.near_sizes;
    assert_eq!(near[0].callout, "1-8 UNC");
    assert!(near[0].no_gear_change && near[0].no_dial && near[0].says.contains("no gear to change; the half-nut closes anywhere"), "{:?}", near[0]);
    assert!(near.iter().all(|n| n.no_gear_change || n.no_dial));
    let eight = sound(json!({"thread": {"callout": "1-8"}, "lathe": demo_lathe(0)}));
    assert!(eight.point().gears.near_sizes.is_empty(), "nothing is saved over what saves both: {:?}", eight.point().gears.near_sizes);
    // On the Gap bed, 6 mm with 60/80 and its levers: a lead of 3 is 1/2, which no lever makes of 3/4; levers are named.
    let gap = sound(json!({"thread": {"callout": "M20"}, "lathe": demo_lathe(1)}));
    for one in &gap.point().gears.near_sizes {
        let pitch: f64 = one.says.split(' ').next().unwrap().parse().unwrap();
        let spindle_turns = 6.0 / pitch;
        assert_eq!(one.no_dial, (spindle_turns - spindle_turns.round()).abs() < 1e-9, "{one:?}");
        assert!(!one.no_gear_change || one.says.contains("lever at"), "{one:?}");
    }
}
