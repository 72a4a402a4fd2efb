//! The drawer written a thing a line: sets, runs and marks read to their sizes, and what is written reads back as it was.

use serde_json::{Value, json};
use yoke_core::faults::read_json;
use yoke_core::job::{Kit, MicrometerKind, OwnedMicrometer};
use yoke_core::job::{PlanRequest, settle};
use yoke_core::kit::{DrillReach, HolderKind, ScrewGaugeKind};
use yoke_core::plan::plan;
use yoke_core::quantity::LengthUnit;
use yoke_core::shop::{WrittenDrawer, put_written, written};
use yoke_core::voice::Voice;

fn voice(unit: LengthUnit) -> Voice {
    Voice { unit, ..Voice::default() }
}

fn drills(text: &str, unit: LengthUnit) -> Vec<f64> {
    let mut kit = Kit::default();
    put_written(&mut kit, &WrittenDrawer { drills: Some(text.into()), ..WrittenDrawer::default() }, voice(unit)).unwrap_or_else(|f| panic!("{text}: {f:?}"));
    kit.drills_mm
}

#[test]
fn sets_runs_and_marks_read_to_their_sizes() {
    let is = |got: &[f64], want: &[f64]| assert!(got.len() == want.len() && got.iter().zip(want).all(|(a, b)| (a - b).abs() < 1e-9), "{got:?} for {want:?}");
    // Counts and ends every chart of the trade agrees on.
    for (set, count, least, most) in [
        ("numbers", 60, 0.04, 0.228),
        ("letters", 26, 0.234, 0.413),
        ("fractions", 29, 0.0625, 0.5),
        ("tenths", 91, 1.0 / 25.4, 10.0 / 25.4),
        ("halves", 25, 1.0 / 25.4, 13.0 / 25.4),
    ] {
        let all = drills(set, LengthUnit::Mm);
        assert_eq!(all.len(), count, "{set}");
        assert!((all[0] - least * 25.4).abs() < 1e-9 && (all[count - 1] - most * 25.4).abs() < 1e-9, "{set}: {all:?}");
    }
    // Letter E is a quarter of an inch, and one drill.
    assert_eq!(drills("letters; fractions", LengthUnit::Mm).len(), 26 + 29 - 1);
    is(&drills("#7, letter F, 1/4", LengthUnit::Mm), &[0.201 * 25.4, 6.35, 0.257 * 25.4]);
    is(&drills("8,5\n1 to 2 by 0.5 mm\n0.125 in", LengthUnit::Mm), &[1.0, 1.5, 2.0, 3.175, 8.5]);
    is(&drills(".25\n1/16 to 1/8 by 1/32", LengthUnit::In), &[1.5875, 2.38125, 3.175, 6.35]);
    // Wires have no marks: the same word is none.
    let mut kit = Kit::default();
    let wires = |text: &str| WrittenDrawer { wires: Some(text.into()), ..WrittenDrawer::default() };
    put_written(&mut kit, &wires("0.0289 in; 1.35 mm"), voice(LengthUnit::Mm)).unwrap();
    is(&kit.wires_mm, &[0.734_06, 1.35]);
    let before = kit.clone();
    let faults = put_written(&mut kit, &wires("1.35 mm\nletters\noak; 2 to 1 by 0.1 mm"), voice(LengthUnit::Mm)).unwrap_err();
    assert_eq!((faults.len(), kit), (3, before), "{faults:?}");
    assert!(faults[0].detail.starts_with("Line 2: “letters” is not the size of a wire") && faults[1].detail.starts_with("Line 3: “oak”"), "{faults:?}");
}

#[test]
fn what_is_written_reads_back_as_it_was() {
    let mut kit = Kit::alder_reach();
    kit.drills_mm.extend([6.351, 0.257 * 25.4]);
    kit.drills_mm.sort_by(f64::total_cmp);
    kit.wires_mm.push(0.734_06);
    kit.wires_mm.sort_by(f64::total_cmp);
    kit.micrometers.push(OwnedMicrometer {
        name: "Old, vee".into(),
        kind: MicrometerKind::InsideThread,
        from_mm: 25.4,
        to_mm: 50.8,
        zero_mm: -0.002,
        spread_mm: Some(0.003),
        lent: true,
    });
    kit.drill_reaches.push(DrillReach { drill_mm: kit.drills_mm[7], reach_mm: 152.4 });
    let lines = |kit: &mut Kit, told: WrittenDrawer| put_written(kit, &told, voice(LengthUnit::Mm)).unwrap();
    lines(
        &mut kit,
        WrittenDrawer {
            reamers: Some("12 mm\n11 to 12,5 mm; lent".into()),
            chasers: Some("M8x1.25; taps\nM20x2.5; split die; worn\n1/4-20 UNC LH; die nut; lent".into()),
            gauges: Some("M20x2.5-6H; no-go plug\n3/4-10 UNC-2A; ring; lent".into()),
            indicators: Some("Ten; 10 mm; divides 0.01 mm; spread 0.005 mm\nTest; lever; 0.8 mm; divides 0.01 mm; zero -0.01 mm".into()),
            bits: Some("Old; Outside; HSS; 60°; flat 0.25 mm; left 10; rest right 8,5; rake 3; tilt -2; width 10 mm; thickness 8 mm; point left -1.5 mm; worn\nStub; inside; soft steel; 29°; flat 1.6 to 1.8 mm; in Long bar; back 20 mm\nOne piece; inside; carbide; 55°; radius 0.2 mm; bar 12 mm; reach 60 mm; ahead 5 mm".into()),
            bars: Some("Long bar; thick 16 mm; reach 80 mm; nose 4 mm; carbide; lent".into()),
            inserts: Some("Fine; inside; pitch 0.5 to 3 mm; 60°; radius 0.1 mm; tilt -1.5; clearance 5; smallest bore 14 mm; reach 40 mm; speed 60\nFull; full profile; pitch 1.5 mm; 60°; radius 0.2 mm".into()),
            blades: Some("Three; outside; parting; width 3 mm; corner 0.2 mm; deep 28 mm; relief 8\nBore; inside; groover; width 2 mm; back 15 mm; reach 30 mm; broken".into()),
            holders: Some("dog; 10 to 25 mm\nLive Center\ncollet; 12 mm; lent\nsteady rest; 5 to 60 mm".into()),
            ..WrittenDrawer::default()
        },
    );
    assert_eq!(
        (kit.bits[0].right_rest_deg, kit.bits[0].point_left_mm, kit.bits[1].bar.as_deref(), kit.bits[1].material.as_str()),
        (Some(8.5), Some(-1.5), Some("Long bar"), "soft_steel")
    );
    assert!(kit.bars[0].carbide && kit.inserts[1].full_profile && kit.inserts[0].seat_tilt_deg < 0.0 && kit.blades.len() == 2);
    // Written again, what became of a tool is still known.
    kit.bits[0].history.push(yoke_core::kit::ToolEvent { what: "worn".into(), on: "2026-11-27".into() });
    let lines_now = written(&kit, voice(LengthUnit::Mm));
    lines(&mut kit, WrittenDrawer { bits: lines_now.bits, ..WrittenDrawer::default() });
    assert_eq!(kit.bits[0].history.len(), 1);
    assert_eq!((kit.reamers.len(), kit.chasers.len(), kit.gauges.len(), kit.indicators.len(), kit.holders.len()), (2, 5, 2, 2, 4));
    assert!(kit.gauges[0].kind == ScrewGaugeKind::NotGoPlug && kit.holders[3].kind == HolderKind::FixedSteady && kit.reamers[1].lent);
    for unit in [LengthUnit::Mm, LengthUnit::In] {
        let mut back = Kit { drills_mm: vec![1.0], ..Kit::default() };
        let lines = written(&kit, voice(unit));
        put_written(&mut back, &lines, voice(unit)).unwrap_or_else(|f| panic!("{f:?} in {lines:?}"));
        let near = |a: &[f64], b: &[f64]| a.len() == b.len() && a.iter().zip(b).all(|(a, b)| (a - b).abs() < 1e-7);
        assert!(near(&back.drills_mm, &kit.drills_mm) && near(&back.wires_mm, &kit.wires_mm), "{lines:?}");
        assert_eq!(written(&back, voice(unit)), lines);
        assert_eq!((&back.chasers, &back.gauges), (&kit.chasers, &kit.gauges));
        if unit == LengthUnit::Mm {
            let bare = |bits: &[yoke_core::kit::OwnedBit]| bits.iter().map(|b| yoke_core::kit::OwnedBit { history: vec![], ..b.clone() }).collect::<Vec<_>>();
            assert_eq!((bare(&back.bits), &back.bars, &back.inserts, &back.blades), (bare(&kit.bits), &kit.bars, &kit.inserts, &kit.blades));
        }
        let lent = |kit: &Kit| (kit.holders.iter().map(|h| (h.kind, h.lent)).collect::<Vec<_>>(), kit.indicators.iter().map(|i| i.lever).collect::<Vec<_>>());
        assert_eq!(lent(&back), lent(&kit));
        assert!((back.drill_reach(kit.drills_mm[7]).unwrap() - 152.4).abs() < 1e-6);
        assert_eq!(back.micrometers.len(), kit.micrometers.len());
        for (a, b) in back.micrometers.iter().zip(&kit.micrometers) {
            assert!((&a.name, a.kind) == (&b.name, b.kind) && near(&[a.from_mm, a.to_mm, a.zero_mm], &[b.from_mm, b.to_mm, b.zero_mm]), "{a:?} for {b:?}");
        }
        // What is left out stands.
        put_written(&mut back, &WrittenDrawer { wires: Some(String::new()), ..WrittenDrawer::default() }, voice(unit)).unwrap();
        assert!(back.wires_mm.is_empty() && near(&back.drills_mm, &kit.drills_mm));
    }
}

#[test]
fn a_line_that_does_not_read_is_named_and_nothing_is_lost() {
    let mut kit = Kit::alder_reach();
    let before = kit.clone();
    let told = WrittenDrawer {
        bits: Some("Old; outside; wood".into()),
        bars: Some("Long; reach 80 mm".into()),
        inserts: Some("Fine; radius ten".into()),
        blades: Some("Three; deep 4 mm".into()),
        reamers: Some("12 mm; blunt".into()),
        chasers: Some("M8; taps\nM8; hammer".into()),
        gauges: Some("M20".into()),
        indicators: Some("Ten; plunger; 10 mm".into()),
        holders: Some("vice; 10 mm\ndog; ten".into()),
        ..WrittenDrawer::default()
    };
    let faults = put_written(&mut kit, &told, voice(LengthUnit::Mm)).unwrap_err();
    let at: Vec<&str> = faults.iter().map(|f| f.pointer.as_str()).collect();
    assert_eq!(at, ["/bits", "/bars", "/inserts", "/blades", "/reamers", "/chasers", "/gauges", "/indicators", "/holders", "/holders"]);
    assert!(faults[5].detail.starts_with("Line 2 is not a tap or die") && faults[9].detail.starts_with("Line 2 is not a holder"), "{faults:?}");
    assert_eq!(kit, before);
}

fn job(thread: &Value, rest: Value, kit: &Kit) -> Result<Value, Vec<String>> {
    let mut asked = rest;
    asked["thread"] = thread.clone();
    asked["kit"] = json!(kit);
    let (request, faults) = read_json::<PlanRequest>(asked);
    let (job, lathe, kit) = settle(&request, None, faults).map_err(|f| f.into_iter().map(|f| f.pointer).collect::<Vec<_>>())?;
    Ok(json!(plan(&job, &lathe, &kit)))
}

fn hands(plan: &Value) -> Vec<(&str, bool)> {
    let list = plan["blank"]["at_hand"].as_array().map_or(&[][..], Vec::as_slice);
    list.iter().map(|h| (h["what"].as_str().unwrap(), h["here"].as_bool().unwrap())).collect()
}

#[test]
fn what_a_job_wants_is_named_or_to_be_got() {
    let screw = json!({"callout": "M20x2.5-6g", "length_mm": 60});
    let centred = json!({"blank": {"shoulder": true, "holding": "centres", "die_finish": true, "runs_true": true}});
    let mut kit = Kit::default();
    let bare = job(&screw, centred.clone(), &kit).unwrap();
    assert_eq!(hands(&bare), [("dog", false), ("centre", false), ("indicator", false), ("groover", false), ("chaser", false)]);
    let says = |plan: &Value| plan["blank"]["at_hand"].to_string();
    assert!(says(&bare).matches("buy").count() == 5, "{}", says(&bare));
    put_written(
        &mut kit,
        &WrittenDrawer {
            chasers: Some("M20x2.5 LH; die\nM20x1.5; die\nM20x2.5; split die".into()),
            indicators: Some("Test; lever; 0.8 mm; divides 0.01 mm".into()),
            holders: Some("dog; 10 to 15 mm\ndog; 15 to 25 mm; lent\ndog; 18 to 30 mm\nhalf centre".into()),
            ..WrittenDrawer::default()
        },
        voice(LengthUnit::Mm),
    )
    .unwrap();
    // What a groover must be follows from the groove the plan asks for: one as wide as it is serves, one wider, one too round, one too short does not.
    let width = bare["blank"]["relief"]["width_mm"]["value"].as_f64().unwrap();
    let blade = |name: &str, width: f64, corner: f64, depth: f64| {
        serde_json::from_value(json!({"name": name, "kind": "external", "width_mm": width, "corner_mm": corner, "depth_mm": depth})).unwrap()
    };
    kit.blades = vec![blade("wide", width + 0.1, 0.1, 20.0), blade("round", 3.0, 1.5, 20.0), blade("short", 3.0, 0.1, 0.5)];
    let none = job(&screw, centred.clone(), &kit).unwrap();
    assert_eq!(hands(&none), [("dog", true), ("centre", true), ("indicator", true), ("groover", false), ("chaser", true)]);
    assert!(says(&none).contains("18") && !says(&none).contains("lent"), "{}", says(&none));
    kit.blades.push(blade("right", 3.0, 0.1, 20.0));
    let found = job(&screw, centred.clone(), &kit).unwrap();
    assert_eq!(found["bit"]["relief_tool"]["owned"], "right");
    let plunges = (width / 3.0).ceil();
    assert!(plunges > 1.0 && says(&found).contains(&format!("plunged {plunges} times")), "{width}: {}", says(&found));
    // Its brothers: lent, it is not there.
    kit.blades[3].condition = yoke_core::kit::Condition::Lent;
    assert!(hands(&job(&screw, centred, &kit).unwrap()).contains(&("groover", false)));
}

#[test]
fn a_gauge_owned_proves_its_own_thread_and_no_other() {
    let bore = |callout: &str| json!({"callout": callout, "side": "internal", "length_mm": 20});
    let proven = |callout: &str, marked: &str| {
        let mut kit = Kit::default();
        put_written(&mut kit, &WrittenDrawer { gauges: Some(marked.into()), ..WrittenDrawer::default() }, voice(LengthUnit::Mm)).unwrap();
        let plan = job(&bore(callout), json!({}), &kit).unwrap();
        let by = plan["proof"]["by"] == "plug" && plan["proof"]["gauge"].is_null();
        by.then(|| plan["proof"]["ways"].as_array().unwrap().iter().find(|w| w["chosen"] == true).unwrap()["why"].as_str().unwrap().to_owned())
    };
    assert!(proven("M20x2.5-6H", "M20x2.5-6H; plug").unwrap().contains("both limits"));
    assert!(proven("M20x2.5-6H", "M20-6H; go plug").unwrap().contains("how far past"));
    for (callout, marked) in [
        ("M20x2.5-6H", "M20x2.5-7H; plug"),
        ("M20x2.5-6H", "M20x1.5-6H; plug"),
        ("M20x2.5-6H LH", "M20x2.5-6H; plug"),
        ("M20x2.5-6H", "M20x2.5-6H; plug; lent"),
        ("M20x2.5-6H", "M20x2.5-6H; not-go plug"),
    ] {
        assert_eq!(proven(callout, marked), None, "{callout} by {marked}");
    }
    // A ring is tried on a screw.
    let mut kit = Kit::default();
    put_written(&mut kit, &WrittenDrawer { gauges: Some("M20x2.5-6g; ring".into()), ..WrittenDrawer::default() }, voice(LengthUnit::Mm)).unwrap();
    let screw = job(&json!({"callout": "M20x2.5-6g"}), json!({"gauge": {"proof": "plug"}}), &kit).unwrap();
    assert_eq!(screw["proof"]["ways"].as_array().unwrap().iter().find(|w| w["by"] == "plug").unwrap()["serves"], true);
}

#[test]
fn a_bit_is_apart_from_its_bar_and_soft_ones_are_not_picked() {
    let bore = json!({"callout": "M36x1.5-6H", "length_mm": 20});
    let mut kit: Kit = serde_json::from_value(json!({
        "bits": [{"name": "stub", "kind": "internal", "material": "hss", "included_angle_deg": 60, "tip_flat_mm": 0.1, "tip_to_back_mm": 20, "bar": "thin"},
                 {"name": "wax", "kind": "external", "material": "soft_steel", "included_angle_deg": 60}],
        "bars": [{"name": "thin", "diameter_mm": 12, "reach_mm": 60, "nose_mm": 4}, {"name": "short", "diameter_mm": 16, "reach_mm": 10}]
    }))
    .unwrap();
    let tool = |kit: &Kit| job(&bore, json!({"bit": {"owned": "stub"}}), kit).unwrap();
    let thin = tool(&kit);
    assert_eq!((&thin["bit"]["drawer"]["tools"][0]["serves"], &thin["bit"]["drawer"]["tools"][0]["bar_mm"]), (&json!(true), &json!([20.0, 12.0])));
    // The nose of the bar is what stands foremost.
    assert!((thin["blank"]["body_ahead_mm"]["value"].as_f64().unwrap() - 4.0).abs() < 1e-9);
    // Steel against carbide: the same bar, bent in the inverse of their stiffness.
    let bends = |plan: &Value| plan["bit"]["drawer"]["tools"][0]["bends_mm"]["value"].as_f64().unwrap();
    kit.bars[0].carbide = true;
    assert!((bends(&thin) / bends(&tool(&kit)) - 600.0 / 205.0).abs() < 1e-6);
    kit.bits[0].bar = Some("short".into());
    assert_eq!(tool(&kit)["bit"]["drawer"]["tools"][0]["serves"], false);
    kit.bits[0].bar = Some("nobody’s".into());
    assert_eq!(job(&bore, json!({}), &kit).unwrap_err(), ["/kit/bits/0/bar"]);
    kit.bits[0].bar = None;
    assert_eq!(job(&json!({"callout": "M20"}), json!({"bit": {"owned": "wax"}}), &kit).unwrap_err(), ["/bit/owned"]);
}

#[test]
fn a_point_off_the_middle_stands_nearer_to_one_side_whichever_way_the_bit_lies() {
    let kit: Kit = serde_json::from_value(json!({"bits": [
        {"name": "offset", "kind": "external", "material": "hss", "included_angle_deg": 60, "tip_flat_mm": 0.3, "width_mm": 12, "point_left_mm": 3.5, "left_rest_deg": 10, "right_relief_deg": 8}]}))
    .unwrap();
    let ahead = |setup: Value| {
        job(&json!({"callout": "M20x2.5-6g", "length_mm": 40}), json!({"bit": {"owned": "offset"}, "setup": setup, "blank": {"shoulder": true}}), &kit).unwrap()
            ["blank"]["body_ahead_mm"]["value"]
            .as_f64()
            .unwrap()
    };
    // Right way up at the front its left is toward the headstock; inverted, for a reversed spindle, its right is.
    assert!((ahead(json!({"way": "toward"})) - 2.5).abs() < 1e-9);
    assert!((ahead(json!({"way": "away"})) - 9.5).abs() < 1e-9);
    // tan of what is seen from the front is that of the rest over the cosine of the half angle: 0.17633/0.86603 = 0.20361, 11.509°.
    assert!((kit.bits[0].reliefs_deg()[0].unwrap() - 11.509).abs() < 1e-3 && kit.bits[0].reliefs_deg()[1] == Some(8.0));
}
