//! Blank in full: reliefs no tool touches, how the thread ends, how the work is held, and the bench pad.

use proptest::prelude::*;
use serde_json::{Value, json};
use yoke_core::job::EndKind;
use yoke_core::plan::State;
use yoke_core::quantity::real;
use yoke_core::thread::series::standards;
use yoke_trials::{SinglePoint, demo_lathe, patched, reckon, sound, watches};

proptest! {
    #![proptest_config(ProptestConfig::with_cases(300))]

    /// At full depth, anywhere in the limits or at a target past them, the point of the bit stands clear of the
    /// relief, and the relief is no deeper than that asks.
    #[test]
    fn no_tool_touches_its_relief(i in 0..standards().len(), inside: bool, round: bool, share in 0.02_f64..0.95, past in -0.2_f64..0.1) {
        let one = &standards()[i];
        let side = if inside { "internal" } else { "external" };
        let plain = sound(json!({"thread": {"callout": one.name, "side": side}}));
        let p = real(&one.pitch);
        let tan = (plain.thread.included_angle_deg / 2.0).to_radians().tan();
        let own = if inside { &plain.thread.internal } else { &plain.thread.external };
        let (low, high) = (own.pitch_mm.min.as_ref().unwrap().value, own.pitch_mm.max.as_ref().unwrap().value);
        // Any tip from nearly sharp to as wide as the pitch line allows.
        let tip = if round { json!({"tip_radius_mm": share * 0.2 * p}) } else { json!({"tip_flat_mm": share * 0.45 * p}) };
        let target = if inside { high - past * p } else { low + past * p };
        let request = json!({"thread": {"callout": one.name, "side": side}, "bit": tip, "blank": {"shoulder": true}, "cut": {"target_pitch_diameter_mm": target}});
        let plan = match reckon(request) { Ok(plan) => plan, Err(_) => return Ok(()) };
        let relief = plan.blank.relief.as_ref().unwrap().diameter_mm.value / 2.0;
        // The point by coordinates: the flank crosses the pitch line a quarter pitch from the groove's middle.
        let below = |e: f64| {
            let apex = p / 4.0 / tan;
            let reach = if round {
                // A disc let down until it touches both flanks: search for the place of its middle.
                let rho = share * 0.2 * p;
                let (mut a, mut b) = (0.0, apex + 10.0 * rho);
                let cos = (1.0 + tan * tan).sqrt().recip();
                for _ in 0..80 {
                    let middle = f64::midpoint(a, b);
                    // Distance from a point on the middle line, this far above the apex, to the flank.
                    if middle * tan * cos < rho { a = middle } else { b = middle }
                }
                apex - (b - rho)
            } else {
                (p / 4.0 - share * 0.45 * p / 2.0) / tan
            };
            if inside { e / 2.0 + reach } else { e / 2.0 - reach }
        };
        let deepest = if inside { below(high.max(target)) } else { below(low.min(target)) };
        let clear = if inside { relief - deepest } else { deepest - relief };
        prop_assert!((clear - 0.1).abs() < 1e-6, "{} {side}: {clear}", one.name);
        // Wide enough for the trailing half of the cut at that depth.
        prop_assert!(plan.blank.relief.as_ref().unwrap().width_mm.value >= 2.0 * p - 1e-9);
    }

    /// The bending shown is that of the beam: integrated twice here, not taken from a table.
    #[test]
    fn bending_is_the_beams(length in 50.0_f64..300.0, diameter in 23.0_f64..24.0, share in 0.1_f64..0.9, centre: bool) {
        let support = if centre { "centre" } else { "none" };
        let plan = sound(json!({"thread": {"callout": "M24", "length_mm": share * length}, "bit": {"tip_flat_mm": 0.4},
            "blank": {"diameter_mm": diameter, "stick_out_mm": length, "support": support}}));
        let told = plan.blank.slenderness.clone().unwrap();
        let root = plan.point().cut.target_pitch_diameter_mm.value - 2.0 * plan.point().bit.tip_to_pitch_mm.value;
        let (steps, radial) = (4000, told.force_n.unwrap().value / 2.0);
        let dx = length / f64::from(steps);
        // Slope and drop at the load and at the far end, of one load at a place, by two sums along the bar.
        let drops = |a: f64, to: f64, force: f64| {
            let (mut slope, mut drop) = (0.0, 0.0);
            for i in 0..steps {
                let x = (f64::from(i) + 0.5) * dx;
                if x > to {
                    break;
                }
                let d: f64 = if x > length * (1.0 - share) { root } else { diameter };
                slope += force * (a - x).max(0.0) / (205_000.0 * std::f64::consts::PI * d.powi(4) / 64.0) * dx;
                drop += slope * dx;
            }
            drop
        };
        let mut worst = 0.0_f64;
        for i in 0..=60 {
            let a = length * (1.0 - share * f64::from(i) / 60.0);
            // The centre pushes back with what brings the end to rest.
            let back = if centre { radial * drops(a, length, 1.0) / drops(length, length, 1.0) } else { 0.0 };
            worst = worst.max(drops(a, a, radial) - drops(length, a, back));
        }
        let bends = told.bends_mm.unwrap().value;
        prop_assert!((bends / (2.0 * worst) - 1.0).abs() < 0.02, "{bends} {}", 2.0 * worst);
    }

    /// At a shoulder every school leaves no more than the length, a groove is what lets the mate seat, and one is
    /// recommended and one followed.
    #[test]
    fn endings_are_sound_for_every_family(i in 0..standards().len(), inside: bool, length in 2.0_f64..120.0, lathe in 0_usize..3) {
        let one = &standards()[i];
        let plan = sound(json!({"thread": {"callout": one.name, "side": if inside { "internal" } else { "external" }, "length_mm": length}, "blank": {"shoulder": true}, "lathe": demo_lathe(lathe)}));
        let endings = &plan.blank.endings;
        prop_assert_eq!(endings.iter().filter(|e| e.chosen).count(), 1);
        prop_assert_eq!(endings.iter().filter(|e| e.recommended).count(), 1);
        for e in endings {
            prop_assert!((0.0..=length).contains(&e.usable_mm.value), "{}: {e:?}", one.name);
            prop_assert_eq!(e.seats, matches!(e.end, EndKind::Relief | EndKind::PlungedRing), "{:?}", e.end);
            prop_assert_eq!(e.usable_mm.value == 0.0, e.consequence.starts_with("no full thread"), "{}: {:?}", one.name, e);
        }
        // A ring is plunged by the bit itself, so it is never wider than the relief that must also stop the carriage.
        let of = |end: EndKind| endings.iter().find(|e| e.end == end).map_or(f64::NAN, |e| e.usable_mm.value);
        prop_assert!(of(EndKind::PlungedRing) >= 0.0 && of(EndKind::Relief) >= 0.0);
        prop_assert_eq!(plan.blank.slenderness.is_some(), !inside);
        prop_assert_eq!(plan.blank.plug.is_some(), inside);
        // The chamfer stands clear of the thread: under a screw's root limit, over a nut's.
        let own = if inside { plan.thread.internal.major_mm.min.as_ref() } else { plan.thread.external.minor_mm.max.as_ref() };
        let room = plan.blank.chamfer_mm.value - own.unwrap().value;
        prop_assert!(room.abs() > 0.1 - 1e-9 && (room > 0.0) == inside, "{}: {room}", one.name);
    }

    /// No pad panics, and one that stands says what its sums say.
    #[test]
    fn any_pad_is_worked_or_refused(kinds in prop::collection::vec((0..8_usize, prop::collection::vec((prop::option::of(0..5_usize), -50.0_f64..50.0), 0..5)), 0..5)) {
        let all = ["half_difference", "gap_less_pin", "metal_left", "location", "middle", "run_out", "taper", "face_off"];
        let pad: Vec<Value> = kinds.iter().enumerate().map(|(i, (k, figures))| {
            let figures: Vec<Value> = figures.iter().map(|(from, v)| from.map_or(json!({"value": v}), |f| json!({"from": format!("s{f}")}))).collect();
            json!({"name": format!("s{i}"), "kind": all[*k], "figures": figures})
        }).collect();
        if let Ok(plan) = reckon(json!({"thread": {"callout": "M20"}, "pad": pad})) {
            prop_assert!(plan.pad.iter().all(|l| l.result.value.is_finite()));
            prop_assert_eq!(plan.pad.len(), kinds.len());
        }
    }
}

#[test]
fn the_blind_cap_with_a_groove_too_small_is_refused_with_the_reason() {
    let cap = |blank: Value| {
        let mut blank = blank;
        blank["shoulder"] = json!(true);
        blank["material"] = json!("brass");
        sound(json!({"thread": {"callout": "M36x1.5-6H", "length_mm": 18}, "blank": blank, "lathe": demo_lathe(1)}))
    };
    let good = cap(json!({}));
    let relief = good.blank.relief.as_ref().unwrap();
    assert!(relief.refused.is_empty() && good.watch.iter().all(|w| !w.code.name().starts_with("relief")));
    // By hand: E max 35.226; not told, the point may be sharp: h = P/(4 tan 30°) = 0.6495, so 35.226 + 1.299 + 0.2.
    assert!((relief.diameter_mm.value - 36.725).abs() < 2e-3, "{}", relief.diameter_mm.value);
    let small = cap(json!({"relief_width_mm": 2.0, "relief_diameter_mm": 36.1}));
    let refused = &small.blank.relief.as_ref().unwrap().refused;
    assert_eq!(refused.len(), 2);
    assert!(refused[0].contains("2 mm wide where") && refused[1].contains("digging in"), "{refused:?}");
    assert!(watches(&small, "danger", "relief_narrow") && watches(&small, "danger", "relief_shallow") && watches(&small, "note", "test_piece"));
    // Plain plugs for the bore: the published limits of M36×1.5-6H's minor diameter.
    let plug = good.blank.plug.unwrap();
    assert!((plug.go_mm.value - 34.376).abs() < 1e-9 && (plug.not_go_mm.value - 34.676).abs() < 1e-9, "{} {}", plug.go_mm.value, plug.not_go_mm.value);
}

#[test]
fn every_ending_shows_what_it_leaves() {
    let plan = sound(json!({"thread": {"callout": "M20x2.5", "length_mm": 60}, "blank": {"shoulder": true}}));
    let of = |plan: &yoke_core::plan::Plan, end: EndKind| plan.blank.endings.iter().find(|e| e.end == end).cloned().unwrap();
    let relief = of(&plan, EndKind::Relief);
    assert!(relief.chosen && relief.recommended && relief.seats && plan.blank.endings.len() == 4, "the open is no choice at a shoulder");
    assert!((relief.usable_mm.value - (60.0 - plan.blank.relief.as_ref().unwrap().width_mm.value)).abs() < 1e-9);
    let faded = of(&plan, EndKind::Withdraw);
    assert!(
        !faded.seats
            && faded.consequence.contains("counterbored")
            && (faded.usable_mm.value - (60.0 - 1.25 - plan.point().setup.stopping_mm.value)).abs() < 1e-9
    );
    // Chosen, there is no relief to draw or to judge.
    let faded = sound(json!({"thread": {"callout": "M20x2.5", "length_mm": 60}, "blank": {"shoulder": true, "end": "withdraw"}}));
    assert!(faded.blank.relief.is_none() && of(&faded, EndKind::Withdraw).chosen);
    let open = sound(json!({"thread": {"callout": "M20x2.5"}}));
    assert!(of(&open, EndKind::Open).chosen && (of(&open, EndKind::Open).usable_mm.value - 40.0).abs() < 1e-9);
    let short = sound(json!({"thread": {"callout": "M20x2.5", "length_mm": 4}, "blank": {"shoulder": true}}));
    assert!(of(&short, EndKind::Relief).consequence.starts_with("no full thread is left") && of(&short, EndKind::Relief).usable_mm.value == 0.0);
}

#[test]
fn slender_work_asks_for_the_tailstock_and_then_a_steady() {
    let rod = |blank: Value| sound(json!({"thread": {"callout": "1-1/4-5 Acme LH", "length_mm": 420}, "blank": blank}));
    for (blank, watched, asks) in
        [(json!({}), true, "steady"), (json!({"support": "centre"}), true, "steady"), (json!({"support": "steady"}), false, "stands out")]
    {
        let plan = rod(blank.clone());
        assert_eq!(watches(&plan, "warn", "stickout"), watched, "{blank}");
        assert!(plan.blank.slenderness.unwrap().says.contains(asks), "{blank}");
    }
    // A short one asks for nothing; its ratio is only named.
    let short = sound(json!({"thread": {"callout": "1-1/4-5 Acme LH", "length_mm": 60}, "blank": {"stick_out_mm": 90}}));
    assert!(!watches(&short, "warn", "stickout") && short.blank.slenderness.unwrap().says.contains("stands out"));
    // A uniform bar under a load anywhere along it: free, FL³/3EI; clamped and held by a centre, Fa³b²(3L + b)/12L³EI at its worst; between
    // centres, FL³/48EI.
    let gives = |ends: f64| (yoke_core::stiffness::GIVES.eval)(&[200.0, 200.0, 20.0, 20.0, 205_000.0, ends]);
    let beam = 200_f64.powi(3) / (205_000.0 * std::f64::consts::PI * 20_f64.powi(4) / 64.0);
    assert!((gives(0.0) / (beam / 3.0) - 1.0).abs() < 1e-9);
    let clamped = |a: f64| a.powi(3) * (1.0 - a).powi(2) * (4.0 - a) / 12.0;
    let worst = (0..=1000).map(|i| clamped(f64::from(i) / 1000.0)).fold(0.0, f64::max);
    assert!((gives(1.0) / (beam * worst) - 1.0).abs() < 5e-3);
    assert!((gives(2.0) / (beam / 48.0) - 1.0).abs() < 1e-9);
    assert!((sound(json!({"thread": {"callout": "M20x2.5"}, "blank": {"die_finish": true}})).blank.aim_mm.value - 19.75).abs() < 1e-9);
}

#[test]
fn the_pad_feeds_the_card_and_a_figure_changed_at_its_source_changes_it() {
    let with = |gap: f64, extra: Value| {
        let pad = json!([
            {"name": "relief", "kind": "metal_left", "figures": [{"from": "to the far wall"}, {"value": 18.0}], "feeds": "relief_width"},
            {"name": "to the far wall", "kind": "gap_less_pin", "figures": [{"value": gap}, {"value": 6.0}]},
        ]);
        let mut request = json!({"thread": {"callout": "M36x1.5-6H", "length_mm": 18}, "blank": {"shoulder": true}, "pad": pad});
        request["pad"].as_array_mut().unwrap().extend(extra.as_array().cloned().unwrap_or_default());
        reckon(request)
    };
    // 26.5 over a 6 mm pin is 20.5 to the wall; less the 18 of thread leaves 2.5 of relief: under two pitches.
    let plan = with(26.5, json!([])).unwrap();
    assert_eq!(
        plan.pad.iter().map(|l| (l.name.as_str(), (l.result.value * 1e6).round() / 1e6)).collect::<Vec<_>>(),
        [("to the far wall", 20.5), ("relief", 2.5)]
    );
    assert_eq!(plan.pad[1].feeds, Some(yoke_core::job::pad::Feeds::ReliefWidth));
    let narrow = plan.watch.iter().find(|w| w.code.name() == "relief_narrow").unwrap();
    assert!(narrow.text.contains("2.5 mm wide"), "{}", narrow.text);
    // The gap measured again, wider: nothing retyped, and the relief serves.
    let wider = with(40.0, json!([])).unwrap();
    assert!((wider.pad[1].result.value - 16.0).abs() < 1e-9 && wider.watch.iter().all(|w| w.code.name() != "relief_narrow"));
    // Its numbers open: the working names the rule and the sum before it.
    let line = &wider.workings[wider.pad[1].result.w.unwrap() as usize];
    assert_eq!((line.rule, line.assumed.as_deref()), ("pad.metal_left", Some("relief")));
    for (extra, part) in [
        (json!([{"name": "round", "kind": "middle", "figures": [{"from": "round"}, {"value": 1}]}]), "circle"),
        (json!([{"name": "relief", "kind": "run_out", "figures": [{"value": 1}]}]), "another sum"),
        (json!([{"name": "x", "kind": "run_out", "figures": []}]), "takes 1"),
        (json!([{"name": "x", "kind": "run_out", "figures": [{"from": "nowhere"}]}]), "no sum"),
        (json!([{"name": "x", "kind": "run_out", "figures": [{}]}]), "wants a figure"),
        (json!([{"name": "", "kind": "run_out", "figures": [{"value": 1}]}]), "1 to 40"),
        (json!([{"name": "x", "kind": "taper", "figures": [{"value": 1}, {"value": 1}, {"value": 0}, {"value": 5}]}]), "no result"),
        (json!([{"name": "x", "kind": "run_out", "figures": [{"value": 1}], "feeds": "relief_width"}]), "two sums feed"),
    ] {
        let faults = with(40.0, extra.clone()).unwrap_err();
        assert!(faults.iter().any(|f| f.detail.contains(part) && f.pointer.starts_with("/pad/2")), "{extra}: {faults:?}");
    }
    // By hand: 0.04 of swing is 0.02 on one side; 0.03 over 100 is 0.0126 over 42; a 2.5 lead and 72° is 0.5.
    for (sum, value) in [
        (json!({"name": "x", "kind": "run_out", "figures": [{"value": 0.04}]}), 0.02),
        (json!({"name": "x", "kind": "taper", "figures": [{"value": 20.03}, {"value": 20.0}, {"value": 100}, {"value": 42}]}), 0.0126),
        (json!({"name": "x", "kind": "face_off", "figures": [{"value": 2.5}, {"value": 72}]}), 0.5),
        (json!({"name": "x", "kind": "half_difference", "figures": [{"value": 36}, {"value": 30}]}), 3.0),
        (json!({"name": "x", "kind": "location", "figures": [{"value": 12}, {"value": 7.5}]}), 19.5),
    ] {
        let plan = sound(json!({"thread": {"callout": "M20"}, "pad": [sum]}));
        assert!((plan.pad[0].result.value - value).abs() < 1e-9, "{:?}", plan.pad[0]);
    }
}

#[test]
fn the_blank_leans_to_the_limit_asked() {
    // M20-6g: 19.623 to 19.958, so a quarter in from each is 19.70675 and 19.87425.
    for (aim, wanted) in [("low", 19.706_75), ("middle", 19.790_5), ("high", 19.874_25)] {
        let plan = sound(json!({"thread": {"callout": "M20-6g"}, "blank": {"aim": aim}}));
        assert!((plan.blank.aim_mm.value - wanted).abs() < 1e-9, "{aim}: {}", plan.blank.aim_mm.value);
    }
}

#[test]
fn a_drill_leaves_a_real_cut_and_a_thin_wall_is_found() {
    let bore = |callout: &str, drills: Value| {
        sound(json!({"thread": {"callout": callout}, "kit": {"wires_mm": [], "drills_mm": drills, "bits": []}})).blank.bore.unwrap()
    };
    // M20×2.5: the bore's middle is about 17.52; a 17 mm drill may cut 17.22, a 17.2 mm one 17.42 and leaves no cut; half an inch is named as its maker does.
    assert_eq!(bore("M20-6H", json!([12.7, 16.5, 17.2, 17.4])).drill_mm.unwrap().value, 16.5);
    let half = bore("M16-6H", json!([12.7]));
    assert!(half.drill_says.contains("1/2 in") && half.left_mm.is_some());
    assert!(bore("Tr200x18 nut", json!([13])).drill_says.contains("in steps"));
    assert!(bore("M3-6H", json!([13])).drill_mm.is_none());
    // A ring of 40 outside round M30×2: root at most about 30.4, so 4.8 of wall. Bending by energy: a ring of radius R under three forces bends
    // 0.0159FR³/EI in and 0.0143 out; by hand at 5000 N, l 20, t (40 − 27.8)/2.
    let nut = |more: Value| {
        let mut blank = json!({"outside_mm": 40});
        blank.as_object_mut().unwrap().extend(more.as_object().unwrap().clone());
        sound(json!({"thread": {"callout": "M30x2-6H", "length_mm": 20}, "bit": {"tip_flat_mm": 0.2}, "blank": blank}))
    };
    let plan = nut(json!({"jaw_force_n": 5000}));
    let wall = plan.blank.wall.as_ref().unwrap();
    let (t, r) = ((40.0 - plan.blank.used_mm.value) / 2.0, (40.0 + plan.blank.used_mm.value) / 4.0);
    let pressed = 2.0 * 0.0159 * 5000.0 * r.powi(3) / (205_000.0 * 20.0 * t.powi(3) / 12.0);
    assert!((wall.in_mm.as_ref().unwrap().value / pressed - 1.0).abs() < 1e-9 && !wall.thin);
    let hard = nut(json!({"jaw_force_n": 90_000}));
    assert!(watches(&hard, "warn", "wall_thin"));
    let line = |plan: &yoke_core::plan::Plan| plan.check.lines.iter().find(|l| l.code == "wall").unwrap().clone();
    let mut cured = json!({"jaw_force_n": 90_000});
    cured.as_object_mut().unwrap().extend(line(&hard).cure.unwrap().change.unwrap()["blank"].as_object().unwrap().clone());
    assert_eq!(line(&nut(cured)).state, yoke_core::plan::State::Good);
    assert!(watches(&nut(json!({"outside_mm": 31})), "warn", "wall_thin"));
    let faults = reckon(json!({"thread": {"callout": "M30-6g"}, "blank": {"outside_mm": 40}})).unwrap_err();
    assert_eq!(faults[0].pointer, "/blank/outside_mm");
}

/// How a thread ends may leave none of it: then that is red wherever it is, what is recommended is another way where one serves, and one touch
/// leaves at least a pitch of it. Where any is left, the mark stands on the work.
#[test]
fn an_end_that_leaves_no_thread_is_red_and_one_touch_leaves_some() {
    let (mut eaten, mut mended, mut hopeless) = (0, 0, 0);
    for (callout, lathe) in [("M10x1.5", 0), ("M1.6x0.35", 0), ("M30x1.5-6H", 0), ("1-1/4-5 Acme-2G", 0), ("M24x3 LH", 0), ("M10x1.5", 1)] {
        for length in [0.5, 1.0, 2.0, 4.0, 5.0, 6.5, 8.0, 12.0, 20.0, 60.0] {
            for end in [json!({}), json!({"end": "plunged_ring"}), json!({"end": "withdraw"}), json!({"relief_width_mm": 9.0, "relief_diameter_mm": 7.0})] {
                let mut request = json!({"thread": {"callout": callout, "length_mm": length}, "lathe": demo_lathe(lathe), "blank": {"shoulder": true}});
                patched(&mut request, &json!({"blank": end}));
                let Ok(plan) = reckon(request.clone()) else { continue };
                let pitch = plan.thread.pitch_mm.value;
                let chosen = plan.blank.endings.iter().find(|e| e.chosen).unwrap();
                let line = plan.check.lines.iter().find(|l| l.code == "thread_left");
                let of = format!("{callout} {length} {end}");
                assert_eq!(line.is_some(), chosen.usable_mm.value < pitch, "{of}");
                assert_eq!(plan.blank.endings.iter().filter(|e| e.recommended).count(), 1, "{of}");
                let Some(line) = line else {
                    assert!(plan.blank.mark.from_face_mm.value > 0.0, "{of}: {}", plan.blank.mark.from_face_mm.text);
                    continue;
                };
                eaten += 1;
                assert!(line.state == State::Bad && !plan.check.ready && watches(&plan, "danger", "no_thread"), "{of}");
                let cure = line.cure.as_ref().unwrap();
                let Some(change) = &cure.change else {
                    hopeless += 1;
                    assert!(plan.blank.endings.iter().all(|e| e.usable_mm.value < pitch), "{of}");
                    continue;
                };
                mended += 1;
                patched(&mut request, change);
                let after = reckon(request).unwrap();
                assert!(after.check.lines.iter().all(|l| l.code != "thread_left"), "{of}: {}", cure.says);
            }
        }
    }
    assert!(eaten > 40 && mended > 20 && hopeless > 10, "{eaten} {mended} {hopeless}");
}
