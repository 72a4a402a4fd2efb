//! Limits beyond the published rows: other classes, the fallback, both systems' own properties.

use serde_json::json;
use yoke_core::plan::Plan;
use yoke_trials::{reckon, sound, watches};

fn planned(callout: &str) -> Plan {
    sound(json!({"thread": {"callout": callout}}))
}

/// Pitch limits of the screw and of the nut, in micrometres.
fn pitch_um(plan: &Plan) -> [f64; 4] {
    let member = |m: &yoke_core::thread::Member| [m.pitch_mm.min.as_ref().unwrap().value, m.pitch_mm.max.as_ref().unwrap().value];
    let (e, i) = (member(&plan.thread.external), member(&plan.thread.internal));
    [e[0], e[1], i[0], i[1]].map(|v| (v * 1000.0).round())
}

#[test]
fn grades_and_positions_shift_and_widen_as_the_standard_says() {
    // By hand from the tables: M20×2.5 d2 18376; Td2(6) 170, g −42, f −58, e −80; R40 four steps on from 170 is 212, eight down 106.
    let cases = [
        ("M20x2.5-6g", [18164.0, 18334.0]),
        ("M20x2.5-6h", [18206.0, 18376.0]),
        ("M20x2.5-6f", [18148.0, 18318.0]),
        ("M20x2.5-6e", [18126.0, 18296.0]),
        ("M20x2.5-7g6g", [18122.0, 18334.0]),
        ("M20x2.5-4h", [18270.0, 18376.0]),
        ("M20x2.5-5g6g", [18202.0, 18334.0]),
        ("M20x2.5-8g", [18069.0, 18334.0]),
    ];
    for (callout, wanted) in cases {
        let [low, high, ..] = pitch_um(&planned(callout));
        assert_eq!([low, high], wanted, "{callout}");
    }
    // TD2(6) 224; 5H four steps down 180, 7H four up 280; G lifts by 42.
    for (callout, wanted) in
        [("M20x2.5-6H", [18376.0, 18600.0]), ("M20x2.5-5H", [18376.0, 18556.0]), ("M20x2.5-7H", [18376.0, 18656.0]), ("M20x2.5-6G", [18418.0, 18642.0])]
    {
        let [.., low, high] = pitch_um(&planned(callout));
        assert_eq!([low, high], wanted, "{callout}");
    }
}

#[test]
fn a_pair_at_its_usual_classes_always_has_room() {
    for callout in [
        "M1.2",
        "M1.6",
        "M3",
        "M8",
        "M12x1.25",
        "M20",
        "M36x1.5",
        "M64",
        "M100x6",
        "#0-80",
        "#4-40",
        "1/4-28",
        "1/2-13",
        "1-8",
        "2-4.5",
        "1.250-16 UN",
        "4-4 UNC",
    ] {
        let plan = planned(callout);
        let [screw_low, screw_high, nut_low, nut_high] = pitch_um(&plan);
        assert!(screw_low < screw_high && screw_high <= nut_low && nut_low < nut_high, "{callout}");
        // The crests clear the roots they run in.
        let (e, i) = (&plan.thread.external, &plan.thread.internal);
        assert!(e.major_mm.max.as_ref().unwrap().value <= i.major_mm.min.as_ref().unwrap().value + 1e-9, "{callout} major");
        assert!(e.minor_mm.max.as_ref().unwrap().value <= i.minor_mm.min.as_ref().unwrap().value + 0.013, "{callout} minor");
    }
}

#[test]
fn unified_classes_are_in_their_ratios() {
    // Tolerances of one size stand as 1.5 : 1 : 0.75 and 1.95 : 1.3 : 0.975, to the rounding of 0.0001 in.
    let width = |callout: &str, internal: bool| {
        let [a, b, c, d] = pitch_um(&planned(callout));
        if internal { d - c } else { b - a }
    };
    for size in ["1/4-20 UNC", "3/4-10 UNC", "7/8-14 UNF", "1-8 UNC", "1-1/2-6 UNC"] {
        let base = width(&format!("{size}-2A"), false);
        for (class, factor, internal) in [("1A", 1.5, false), ("3A", 0.75, false), ("1B", 1.95, true), ("2B", 1.3, true), ("3B", 0.975, true)] {
            let got = width(&format!("{size}-{class}"), internal);
            assert!((got - base * factor).abs() <= 6.0, "{size}-{class}: {got} of {base}");
        }
        // 3A has no allowance: its largest is the basic size, which is the nut's least.
        let [_, high, low, _] = pitch_um(&planned(&format!("{size}-3A")));
        assert!((high - low).abs() < 1.0, "{size}");
    }
}

#[test]
fn unified_tolerance_follows_the_engagement_where_the_standard_says() {
    let width = |callout: &str, engagement: Option<f64>| {
        let plan = sound(json!({"thread": {"callout": callout, "engagement_mm": engagement}}));
        let [a, b, ..] = pitch_um(&plan);
        (b - a, watches(&plan, "note", "engagement_long"))
    };
    // UNC is taken at one diameter until the mate is longer than a diameter and a half.
    assert_eq!(width("1-8 UNC", None), width("1-8 UNC", Some(30.0)));
    let (long, told) = width("1-8 UNC", Some(60.0));
    assert!(long > width("1-8 UNC", None).0 && told);
    // Constant pitch is at nine pitches unless given.
    assert_eq!(width("1-1/4-16 UN", None).0, width("1-1/4-16 UN", Some(9.0 * 25.4 / 16.0)).0);
    assert!(width("1-1/4-16 UN", Some(30.0)).0 > width("1-1/4-16 UN", None).0);
    // Its table is good from five pitches to fifteen, 7.9 to 23.8 mm; a thread shorter than that is its own bound.
    assert_eq!(width("1-1/4-16 UN", Some(8.0)).0, width("1-1/4-16 UN", None).0);
    assert_eq!(width("1-1/4-16 UN", Some(23.0)).0, width("1-1/4-16 UN", None).0);
    let short = sound(json!({"thread": {"callout": "1-1/4-16 UN", "length_mm": 6}}));
    let [low, high, ..] = pitch_um(&short);
    assert!(high - low < width("1-1/4-16 UN", None).0 && watches(&short, "note", "engagement_short"));
    // No mate engages more than there is of the thread, whatever was told.
    let told = sound(json!({"thread": {"callout": "G3", "length_mm": 30, "engagement_mm": 60}}));
    assert!((told.thread.engagement_mm.value - 30.0).abs() < 1e-9 && watches(&told, "note", "engagement_long"));
}

#[test]
fn sizes_are_rounded_as_the_tables_print_them() {
    // Recalled from tables of B1.1: class 3B and sizes under 0.138 in to a tenth of a thou, the rest to a thou.
    for (callout, most) in [("1/2-13-3B", 0.4284), ("1/4-20-3B", 0.2067), ("#4-40-2B", 0.0939), ("#6-32-2B", 0.114), ("1/4-20-2B", 0.207)] {
        let most_mm = planned(callout).thread.internal.minor_mm.max.unwrap().value;
        assert!((most_mm / 25.4 - most).abs() < 1e-9, "{callout}: {}", most_mm / 25.4);
    }
    // TD1 of ISO 2903 grade 4, two of them given with the rules, the rest recalled; its fellow Td at pitch 4 is 0.300.
    for (callout, td1) in [("Tr60x10", 0.710), ("Tr100x12", 0.800), ("Tr120x14", 0.9), ("Tr160x16", 1.0), ("Tr50x8", 0.63), ("Tr20x4", 0.375)] {
        let minor = planned(callout).thread.internal.minor_mm;
        let got = minor.max.unwrap().value - minor.min.unwrap().value;
        assert!((got - td1).abs() < 1e-9, "{callout}: {got}");
    }
    // To 1.4 mm a screw of no class is 6h, as its nut is 5H.
    assert_eq!(planned("M1.4").thread.class, "6h");
    assert_eq!(planned("M1.6").thread.class, "6g");
}

#[test]
fn a_size_in_no_table_is_computed_and_says_so() {
    let plan = planned("M25x2.25");
    assert!(watches(&plan, "note", "tolerance_computed"));
    let [low, high, nut_low, nut_high] = pitch_um(&plan);
    // Td2 between those of its neighbours in the same range, 2 (170) and 3 (200).
    assert!((170.0..=200.0).contains(&(high - low)) && (224.0..=265.0).contains(&(nut_high - nut_low)), "{low} {high} {nut_low} {nut_high}");
    assert!(!watches(&planned("M24"), "note", "tolerance_computed"));
    for (callout, part) in [("M0.9x0.2", "outside"), ("M360x4", "outside"), ("M20x20", "too coarse"), ("M20x0.01", "0.05")] {
        let faults = reckon(json!({"thread": {"callout": callout}})).unwrap_err();
        assert!(faults[0].detail.contains(part), "{callout}: {}", faults[0].detail);
    }
}

#[test]
fn what_overrides_the_callout_is_said() {
    let plan = sound(json!({"thread": {"callout": "M20x2.5-6g", "hand": "left", "class": "4h"}}));
    assert_eq!((plan.thread.class.as_str(), plan.thread.name.as_str()), ("4h", "M20×2.5-4h LH"));
    assert_eq!(plan.watch.iter().filter(|w| w.code.name() == "override").count(), 1, "the hand was not in the callout, the class was");
    let plan = sound(json!({"thread": {"callout": "M20x2.5 RH", "hand": "left", "side": "internal"}}));
    assert_eq!((plan.thread.class.as_str(), plan.watch.iter().filter(|w| w.code.name() == "override").count()), ("6H", 1));
}

#[test]
fn lead_angles_open_toward_the_root_and_grow_with_starts() {
    let one = planned("M20x2.5").thread.lead_angle_deg;
    assert!(one.major.value < one.pitch.value && one.pitch.value < one.minor.value);
    let three = sound(json!({"thread": {"callout": "M20x2.5", "starts": 3}})).thread;
    assert!((three.lead_mm.value - 7.5).abs() < 1e-12);
    // tan λ is three times as large, whatever the angle.
    let tan = |deg: f64| deg.to_radians().tan();
    assert!((tan(three.lead_angle_deg.pitch.value) / tan(one.pitch.value) - 3.0).abs() < 1e-9);
}
