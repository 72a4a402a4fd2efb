//! The shop: a lathe looked over, its gears and plate on paper and back.

use proptest::prelude::*;
use serde_json::{Value, json};
use yoke_core::job::{Checked, LatheProfile, Place, checked};
use yoke_core::quantity::Ratio;
use yoke_core::shop::{LatheDescription, Part, gears_from_csv, gears_to_csv, look, plate_from_csv, plate_to_csv};
use yoke_core::voice::Voice;
use yoke_trials::demo_lathe;

fn profile(value: Value) -> LatheProfile {
    serde_json::from_value(value).unwrap()
}

fn settled(value: Value) -> Checked {
    checked(&profile(value), Voice::default()).unwrap_or_else(|f| panic!("{f:?}"))
}

fn says(said: &LatheDescription, part: Part) -> (&str, bool) {
    said.parts.iter().find(|p| p.part == part).map(|p| (p.says.as_str(), p.told)).unwrap()
}

#[test]
fn a_lathe_told_is_said_and_one_told_nothing_says_what_stands_in() {
    let long = look(&profile(demo_lathe(0)), Voice::default()).unwrap();
    assert_eq!(says(&long, Part::Leadscrew), ("4 TPI, right-hand, 31.75 mm across", true));
    assert_eq!(says(&long, Part::Gears), ("16 of DP 14, 24 to 127 teeth", true));
    assert_eq!(says(&long, Part::Arm), ("stud to leadscrew 190 mm, studs 55 mm to 260 mm from it, 2 studs, trains of two or four gears", true));
    assert_eq!(says(&long, Part::Dial), ("16 teeth, 8 marks", true));
    assert_eq!(says(&long, Part::CrossSlide), ("0.001 in a division, 0.1 in a turn, reads travel", true));
    assert_eq!(says(&long, Part::Spindle), ("chuck held by cams, reverses, a clutch, coasts 0.4 turns", true));
    assert_eq!(says(&long, Part::Stop), ("none on the bed", false));
    assert!(long.parts.iter().all(|p| p.untold.is_none()), "what matters was told");
    // 190 mm are 7.4803 in.
    assert!(long.parts.iter().any(|p| p.inch.as_deref().is_some_and(|t| t.contains("7.4803 in"))));
    let gap = look(&profile(demo_lathe(1)), Voice::default()).unwrap();
    assert_eq!(says(&gap, Part::Gearbox), ("17 lever positions, 1/4 to 4/1", true));
    assert_eq!(says(&gap, Part::Dial), ("gears of 14, 15, 16, 18, 20 teeth, marks as many as teeth", true));
    assert_eq!(says(&look(&profile(demo_lathe(2)), Voice::default()).unwrap(), Part::Dial).0, "none");

    let bare = look(&LatheProfile::default(), Voice::default()).unwrap();
    assert!(bare.parts.iter().all(|p| !p.told));
    assert_eq!(says(&bare, Part::Leadscrew).0, "8 TPI, right-hand");
    for part in [Part::Leadscrew, Part::Gears, Part::Arm, Part::CrossSlide, Part::Compound, Part::Speeds, Part::Spindle, Part::Mounted] {
        assert!(bare.parts.iter().any(|p| p.part == part && p.untold.is_some()), "{part:?} says what not knowing costs");
    }
    let assumed: Vec<&str> = bare.assumed.iter().map(|a| a.pointer.as_str()).collect();
    let each = ["/leadscrew", "/gears", "/spindle/coast_turns", "/dial", "/cross_slide", "/cross_slide/reads", "/compound"];
    assert_eq!(assumed, [&each[..], &["/speeds_rpm", "/spindle/chuck", "/spindle/reverses", "/half_nut", "/drive", "/post"]].concat());
}

#[test]
fn every_part_is_on_the_drawing_under_its_own_name() {
    for which in 0..3 {
        let said = look(&profile(demo_lathe(which)), Voice::default()).unwrap();
        for part in &said.parts {
            let name = serde_json::to_value(part.part).unwrap();
            let role = format!("part.{}", name.as_str().unwrap());
            // Gears in the drawer are no part of the picture; those hung are drawn as gears.
            if ["part.gears", "part.mounted"].contains(&role.as_str()) {
                continue;
            }
            assert!(said.drawing.shapes.iter().any(|s| s.role == role || s.role == format!("{role}.absent")), "{role}");
        }
        assert!(said.drawing.shapes.iter().any(|s| s.role.starts_with("gear.")));
        let [left, bottom, right, top] = said.drawing.bounds;
        for shape in &said.drawing.shapes {
            for [x, y] in &shape.line {
                assert!((left..=right).contains(x) && (bottom..=top).contains(y), "{} at {x}, {y}", shape.role);
            }
        }
    }
}

#[test]
fn a_plate_is_the_gearbox_and_a_changed_ratio_behind_it_leaves_the_pitch() {
    let plate = json!({"unit": "in", "rows": ["A", "B"], "columns": ["1", "2"], "cells": [[8, 10], [16, 20]]});
    let of = |fixed: &str| settled(json!({"leadscrew": {"tpi": 4}, "fixed_ratio": fixed, "plate": plate})).lathe;
    let (straight, halved) = (of("1/1"), of("1/2"));
    // 8 TPI on 4 TPI is a half; behind a stud at half speed the box itself must give one to one. Either way 8 TPI is cut.
    assert_eq!((straight.gearbox[0].ratio.0, halved.gearbox[0].ratio.0), (Ratio::new(1, 2), Ratio::from_integer(1)));
    assert_eq!(straight.gearbox[3].name, "B 2");
    for lathe in [&straight, &halved] {
        assert_eq!(lathe.gearbox[3].ratio.0 * lathe.fixed * lathe.leadscrew, Ratio::new(254, 200));
    }
    // A misread cell is left out and said.
    let mut misread = json!({"leadscrew": {"tpi": 4}, "plate": {"unit": "in", "rows": ["A", "B", "C"], "columns": ["1", "2", "3"], "cells": [[8, 10, 12], [16, 20, 24], [32, 40, 84]]}});
    let told = settled(misread.clone());
    assert_eq!(told.lathe.gearbox.len(), 8);
    assert!(told.assumed.iter().any(|a| a.pointer == "/plate/cells/2/2" && a.text.contains("48")), "{:?}", told.assumed);
    // Both ways of telling at once are refused.
    misread["gearbox"] = json!([{"name": "direct", "ratio": "1/1"}]);
    assert_eq!(checked(&profile(misread), Voice::default()).unwrap_err()[0].pointer, "/plate");
}

#[test]
fn two_levers_that_multiply_and_a_plate_that_needs_a_127() {
    let levers = json!({"rows": ["A", "B", "C"], "columns": ["1", "2"], "row_ratios": ["1/4", "1/2", "1/1"], "column_ratios": ["1/1", "7/6"]});
    let lathe = settled(json!({"leadscrew": {"pitch_mm": 6}, "plate": levers})).lathe;
    assert_eq!(lathe.gearbox.iter().map(|p| p.ratio.0).collect::<Vec<_>>(), [(1, 4), (7, 24), (1, 2), (7, 12), (1, 1), (7, 6)].map(|(n, d)| Ratio::new(n, d)));
    let bad = json!({"rows": ["A", "A"], "columns": ["1"], "row_ratios": ["1/4"], "column_ratios": ["0"], "cells": [[1]]});
    let faults = checked(&profile(json!({"plate": bad})), Voice::default()).unwrap_err();
    for pointer in ["/plate/rows/1", "/plate/row_ratios", "/plate/column_ratios/0", "/plate/cells"] {
        assert!(faults.iter().any(|f| f.pointer == pointer), "{pointer}: {faults:?}");
    }
    // A metric plate on an inch screw with no transposing gear named cannot be taken as printed; with 127/120 named it can.
    let mut metric = json!({"unit": "mm", "rows": ["A"], "columns": ["1", "2"], "cells": [[1, 2]]});
    let doubted = |plate: &Value| settled(json!({"leadscrew": {"tpi": 8}, "plate": plate})).assumed.iter().any(|a| a.text.contains("127"));
    assert!(doubted(&metric));
    metric["gears"] = json!({"drivers": [120], "driven": [127]});
    assert!(!doubted(&metric));
}

#[test]
fn parts_told_wrongly_are_named() {
    let (_, faults) = yoke_core::faults::read_json::<LatheProfile>(
        json!({"tumbler": ["sideways"], "post": "middle", "carriage_stop": "rubber", "compound": {"scale_zero": "moon"}}),
    );
    let mut pointers: Vec<&str> = faults.iter().map(|f| f.pointer.as_str()).collect();
    pointers.sort_unstable();
    assert_eq!(pointers, ["/carriage_stop", "/compound/scale_zero", "/post", "/tumbler/0"]);
    let twice = profile(json!({"gearbox": [{"name": "A", "ratio": "1/1"}, {"name": "A", "ratio": "1/2"}], "readout": {"resolution_mm": 5.0}}));
    let pointers: Vec<String> = checked(&twice, Voice::default()).unwrap_err().into_iter().map(|f| f.pointer).collect();
    assert_eq!(pointers, ["/gearbox/1/name", "/readout/resolution_mm"]);
}

#[test]
fn a_faulty_sheet_names_line_and_column() {
    for (sheet, pointers) in [
        ("", vec![""]),
        ("tooth\n40\n", vec!["/1/tooth", "/1/teeth"]),
        ("teeth,count\n40,1\nforty,1\n50,many\n60,0\n", vec!["/3/teeth", "/4/count", "/5/count"]),
        ("teeth,piece,on\n40,A,\n50,,moon\n", vec!["/3/on", "/2/piece"]),
    ] {
        let found: Vec<String> = gears_from_csv(sheet, Voice::default()).unwrap_err().into_iter().map(|f| f.pointer).collect();
        assert_eq!(found, pointers, "{sheet}");
    }
    for (sheet, pointers) in
        [("pitch,1,2\n", vec!["/1/1"]), ("tpi,1,2\nA,8,ten\nB,16,20,24\n", vec!["/2/3", "/3/4"]), ("mm,1,drivers,driven\nA,1,40,x\n", vec!["/2/driven"])]
    {
        let found: Vec<String> = plate_from_csv(sheet, Voice::default()).unwrap_err().into_iter().map(|f| f.pointer).collect();
        assert_eq!(found, pointers, "{sheet}");
    }
}

#[test]
fn a_plates_sheet_reads_back_to_the_same_lathe() {
    let plate = json!({"unit": "in", "rows": ["fine", "coarse"], "columns": ["1", "2", "3"], "gears": {"drivers": [40], "driven": [120]},
        "row_gears": [null, {"drivers": [40], "driven": [60]}], "cells": [[36, 11.5, null], [18, 20, "80/3"]]});
    let mut lathe = json!({"leadscrew": {"tpi": 6}, "plate": plate});
    let before = settled(lathe.clone()).lathe.drive.gearbox;
    let text = plate_to_csv(&profile(lathe.clone()), &settled(lathe.clone()).lathe);
    assert_eq!(text, "tpi,1,2,3,drivers,driven\nfine,36,11.5,,40,120\ncoarse,18,20,80/3,40,60\n");
    let (None, Some(read)) = plate_from_csv(&text, Voice::default()).unwrap() else { panic!("a plate") };
    lathe["plate"] = serde_json::to_value(read).unwrap();
    assert_eq!(settled(lathe).lathe.gearbox, before);
    // Plain ratios, as the Gap bed's.
    let gap = settled(demo_lathe(1)).lathe;
    let (Some(ratios), None) = plate_from_csv(&plate_to_csv(&profile(demo_lathe(1)), &gap), Voice::default()).unwrap() else { panic!("ratios") };
    assert_eq!(ratios, gap.gearbox);
}

proptest! {
    #[test]
    fn a_drawer_on_paper_reads_back_to_the_same_gears(
        teeth in proptest::collection::vec(15_i64..130, 4..30),
        dp in proptest::option::of(8_u8..32),
        bound in proptest::sample::subsequence(vec!["spindle", "stud", "leadscrew"], 1..=3),
        joined in any::<bool>(),
        second in proptest::option::of(proptest::collection::vec(15_i64..130, 2..6)),
    ) {
        let mut group = json!({"gears": teeth, "bound": [{"teeth": [teeth[0]], "on": bound}]});
        if let Some(dp) = dp { group["dp"] = json!(dp); } else { group["module_mm"] = json!(1.25); }
        if joined { group["joined"] = json!([[teeth[1], teeth[2]]]); }
        let mut lathe = json!({"gear_groups": [group]});
        if let Some(second) = second { lathe["gear_groups"].as_array_mut().unwrap().push(json!({"module_mm": 3, "pressure_angle_deg": 20, "gears": second})); }
        let before = settled(lathe.clone()).lathe;
        let text = gears_to_csv(&profile(lathe.clone()), &before);
        lathe["gear_groups"] = serde_json::to_value(gears_from_csv(&text, Voice::default()).unwrap()).unwrap();
        let after = settled(lathe.clone()).lathe;
        // In any order, and pieces by any number.
        let count = |l: &yoke_core::job::Lathe| {
            let mut all: Vec<_> = l.gears.iter().map(|g| (g.teeth, g.group, g.piece > 0, [Place::Spindle, Place::Stud, Place::Leadscrew].map(|p| g.goes_on(p)))).collect();
            all.sort_unstable();
            all
        };
        prop_assert_eq!(count(&before), count(&after));
        prop_assert_eq!(&before.modules, &after.modules);
        // Written again it is the same, up to the order of the lines.
        let lines = |t: &str| { let mut l: Vec<String> = t.lines().map(str::to_owned).collect(); l.sort_unstable(); l };
        prop_assert_eq!(lines(&text).len(), lines(&gears_to_csv(&profile(lathe), &after)).len());
    }

    #[test]
    fn no_sheet_whatever_is_written_in_it_stops_the_reader(text in "[a-z0-9,/\"\n .éx-]{0,120}") {
        let _ = gears_from_csv(&text, Voice::default());
        let _ = gears_from_csv(&format!("teeth,count,piece,on\n{text}"), Voice::default());
        let _ = plate_from_csv(&text, Voice::default());
        let _ = plate_from_csv(&format!("tpi,1,2,drivers,driven\n{text}"), Voice::default());
    }
}

#[test]
fn the_lathe_of_the_documented_format_reads() {
    let page = include_str!("../../../../docs/formats/lathe.md");
    let example = page.split("```json").nth(1).and_then(|t| t.split("```").next()).unwrap();
    let (profile, faults) = yoke_core::faults::read_json::<LatheProfile>(serde_json::from_str(example).unwrap());
    assert!(faults.is_empty(), "{faults:?}");
    let lathe = checked(&profile, Voice::default()).unwrap().lathe;
    // Eleven of the range and its like, and five lever positions where six cells have one empty.
    assert_eq!((lathe.gears.len(), lathe.gearbox.len(), lathe.gearbox[4].name.as_str()), (15, 5, "B 2"));
    assert!(look(&profile, Voice::default()).unwrap().parts.iter().all(|p| p.told));
}
