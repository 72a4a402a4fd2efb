//! Threads made by die or tap: figures against a hand reckoning, nothing of a single point anywhere, power only where it may, and the run.

use serde_json::{Value, json};
use yoke_core::gauge::{Measured, VerdictKind};
use yoke_core::log::{Act, ActKind, RunState, fold};
use yoke_core::paper::papers;
use yoke_core::plan::{Plan, State};
use yoke_core::route::{MakersSheet, Member, OpKind, bench, makers, propose};
use yoke_core::run::RunPlan;
use yoke_core::thread::FitKind;
use yoke_core::voice::Voice;
use yoke_trials::{demo_lathe, patched, reckon, settled, sound, watches};

fn die(callout: &str, more: &Value) -> Plan {
    made("die", callout, more)
}

fn tap(callout: &str, more: &Value) -> Plan {
    made("tap", callout, more)
}

fn made(by: &str, callout: &str, more: &Value) -> Plan {
    let side = if by == "die" { "external" } else { "internal" };
    let mut request = json!({"thread": {"callout": callout, "side": side, "length_mm": 30}, "making": {"by": by}, "lathe": demo_lathe(1)});
    patched(&mut request, more);
    // A lathe is told whole.
    if more.get("lathe").is_some() {
        request["lathe"] = more["lathe"].clone();
    }
    sound(request)
}

/// What a working of this rule gives.
fn gives(plan: &Plan, rule: &str) -> f64 {
    plan.workings.iter().find(|w| w.rule == rule).unwrap_or_else(|| panic!("no {rule}")).gives
}

#[test]
fn torque_is_the_pressure_on_the_groove_at_the_pitch_line() {
    // The published checks: at 2600 N/mm², 52 N·m for M20×2.5 and 4 for ¼-20.
    for (callout, expected, within) in [("M20x2.5-6g", 52.0, 0.6), ("1/4-20 UNC-2A", 4.0, 0.1)] {
        let plan = die(callout, &json!({}));
        let size = plan.thread.external.pitch_mm.clone();
        let middle = f64::midpoint(size.min.unwrap().value, size.max.unwrap().value);
        let torque = 2600.0 * gives(&plan, "chaser.section") * middle / 2.0 / 1000.0;
        assert!((torque - expected).abs() < within, "{callout}: {torque}");
    }
    // By hand, M20×2.5 in mild steel: a flat of P/8 under a V of 60°, from 20 down; ten teeth share it.
    let plan = die("M20x2.5-6g", &json!({"blank": {"material": "mild_steel"}}));
    let (middle, flat, tan) = ((18.334 + 18.164) / 2.0, 0.3125, 30_f64.to_radians().tan());
    let deep = (20.0 - middle) / 2.0 + (0.625 - flat / 2.0) / tan;
    let section = deep * (flat + deep * tan);
    let material = yoke_core::kit::materials().iter().find(|m| m.code == "mild_steel").unwrap();
    let pressure = material.kc1_n_mm2 / (deep / 10.0).powf(0.25);
    let by_hand = pressure * section * middle / 2.0 / 1000.0;
    let chaser = plan.chaser.unwrap();
    assert!((chaser.twist.torque_nm.value / by_hand - 1.0).abs() < 1e-3, "{} {by_hand}", chaser.twist.torque_nm.value);
    assert!((2400.0..2900.0).contains(&pressure), "{pressure}");
    // Two hands on 500 mm, three jaws of friction 0.15 on 19.75.
    assert!((chaser.twist.each_hand_n.value - by_hand / 0.5).abs() < 0.5);
    assert!((chaser.twist.each_jaw_n.value - by_hand * 1000.0 / (0.45 * 19.75 / 2.0)).abs() < 10.0);
    let worn = die("M20x2.5-6g", &json!({"blank": {"material": "mild_steel"}, "making": {"worn": true}})).chaser.unwrap();
    assert!((worn.twist.torque_nm.value / chaser.twist.torque_nm.value - 2.0).abs() < 1e-9);
}

#[test]
fn a_die_s_blank_bevel_and_lead_are_those_of_the_bench() {
    let plan = die("M20x2.5-6g", &json!({"blank": {"shoulder": true}}));
    assert!((plan.blank.aim_mm.value - 19.75).abs() < 1e-9);
    let chaser = plan.chaser.as_ref().unwrap();
    // 45° about 0.7P, 30° 1.2P, a slender one one and a half to two.
    for (deg, low, high) in [(45.0, 0.6, 0.75), (30.0, 1.05, 1.3), (20.0, 1.5, 2.0)] {
        let bevel = chaser.bevels.iter().find(|b| b.deg == deg).unwrap();
        assert!((low..high).contains(&(bevel.long_mm.value / 2.5)), "{deg}: {}", bevel.long_mm.value);
    }
    assert!((chaser.short_mm.value, chaser.full_mm.value) == (7.5, 22.5));
    let round = die("M20x2.5-6g", &json!({"blank": {"shoulder": true}, "making": {"turned_round": true}})).chaser.unwrap();
    assert!((round.short_mm.value, round.full_mm.value) == (3.75, 26.25) && round.steps.iter().any(|s| s.code == "round"));
    // A softer metal is turned a little smaller; a thread finished by a die is no other.
    let soft = die("M20x2.5-6g", &json!({"blank": {"material": "aluminium"}}));
    assert!((19.60..19.72).contains(&soft.blank.aim_mm.value), "{}", soft.blank.aim_mm.value);
    let state = |width: Option<f64>| {
        let plan = die("M20x2.5-6g", &json!({"blank": {"shoulder": true, "relief_width_mm": width}}));
        plan.check.lines.iter().find(|l| l.code == "chaser_end").map(|l| l.state)
    };
    assert_eq!([state(None), state(Some(7.0)), state(Some(7.5))], [Some(State::Unknown), Some(State::Unknown), Some(State::Good)]);
}

#[test]
fn a_tap_s_hole_is_as_its_drill_cuts_it_and_deep_enough_for_its_lead() {
    let drills = json!({"kit": {"drills_mm": [8.0, 8.3, 8.5, 8.8], "wires_mm": []}, "thread": {"length_mm": 18}, "blank": {"shoulder": true}});
    let plan = tap("M10-6H", &drills);
    // 8.5 cuts 8.5 + 0.06 + 0.0425; nearest the middle of 8.376 to 8.676.
    let bore = plan.blank.bore.as_ref().unwrap();
    assert!((plan.blank.used_mm.value - 8.6025).abs() < 1e-9 && bore.drill_mm.as_ref().unwrap().value == 8.5, "{}", bore.drill_says);
    assert!((bore.share_percent.value - (10.0 - 8.6025) / (1.299_038_1 * 1.5) * 100.0).abs() < 1e-3);
    let hole = plan.chaser.as_ref().unwrap().hole.as_ref().unwrap();
    // 18 of thread, five pitches of lead, two for chips; and 0.3 of the drill to its tip.
    assert!((hole.full_depth_mm.value - (18.0 + 7.0 * 1.5)).abs() < 1e-9);
    assert!((hole.tip_depth_mm.value - hole.full_depth_mm.value - 0.3 * 8.6025).abs() < 1e-9);
    let bottoming = tap("M10-6H", &{
        let mut more = drills.clone();
        patched(&mut more, &json!({"making": {"last_tap": "bottoming", "point_mm": 3}}));
        more
    });
    assert!((bottoming.chaser.unwrap().hole.unwrap().full_depth_mm.value - (18.0 + 4.0 * 1.5 + 3.0)).abs() < 1e-9);
    // M10 6H leaves its limit under 67.9 %.
    let leaves = |share: f64| watches(&tap("M10-6H", &json!({"blank": {"engagement_percent": share}})), "warn", "bore_limits");
    assert_eq!([60.0, 67.9, 68.0, 75.0].map(leaves), [true, true, false, false]);
    // The three of a set by their leads, under the names of either side of the ocean.
    let names = |words: &str| {
        let plan = tap("M10-6H", &json!({"words": words}));
        plan.chaser.unwrap().hole.unwrap().taps.into_iter().map(|t| t.says).collect::<Vec<_>>()
    };
    assert!(names("american")[1].starts_with("plug tap (3 to 5") && names("british")[2].starts_with("plug tap (1 to 2"));
}

/// Texts of a plan, one under the other, but for its workings.
fn texts(value: &Value, list: &mut Vec<String>) {
    match value {
        Value::String(text) => list.push(text.clone()),
        Value::Array(items) => items.iter().for_each(|v| texts(v, list)),
        Value::Object(map) => map.iter().filter(|(k, _)| *k != "workings").for_each(|(_, v)| texts(v, list)),
        _ => {}
    }
}

#[test]
fn nothing_of_a_single_point_is_planned_asked_or_checked() {
    for by in ["die", "tap"] {
        for lathe in 0..3 {
            let plan = made(by, "M12", &json!({"lathe": demo_lathe(lathe), "blank": {"shoulder": true}}));
            let whole = serde_json::to_value(&plan).unwrap();
            assert!(plan.pointed().is_none() && ["gears", "bit", "setup", "cut"].iter().all(|k| whole.get(k).is_none()));
            let codes: Vec<&str> = plan.check.lines.iter().map(|l| l.code).collect();
            let pointed = ["gears_hang", "gears_on", "lead", "hand", "speed", "dial", "slide", "passes", "relief_wide", "end_room", "tip"];
            assert!(pointed.iter().all(|c| !codes.contains(c)), "{codes:?}");
            let (job, lathe, _) = settled(json!({"thread": {"callout": "M12", "side": if by == "die" { "external" } else { "internal" }},
                "making": {"by": by}, "lathe": demo_lathe(lathe)}))
            .unwrap();
            let member = Member { job: "one", title: "one", plan: &plan, facts: &job, lathe: &lathe, apart: false, mate: None, proven: false };
            let mut list = Vec::new();
            texts(&whole, &mut list);
            texts(&serde_json::to_value(papers(&member)).unwrap(), &mut list);
            let route = propose(&[member], Voice::default());
            let kinds: Vec<OpKind> = route.ops().map(|(_, op)| op.kind).collect();
            assert!(kinds.contains(if by == "die" { &OpKind::Die } else { &OpKind::Tap }) && !kinds.contains(&OpKind::Thread), "{kinds:?}");
            for kind in kinds {
                texts(&serde_json::to_value(bench(&member, &[member], kind, Voice::default())).unwrap(), &mut list);
            }
            let wrong = list.iter().find(|t| ["half-nut", "change gear", "infeed", "compound", "thread dial"].iter().any(|w| t.to_lowercase().contains(w)));
            assert_eq!(wrong, None, "{by}");
        }
    }
}

#[test]
fn a_die_cuts_screws_and_a_tap_cuts_nuts() {
    let faults = |request: Value| reckon(request).unwrap_err().into_iter().map(|f| f.pointer).collect::<Vec<_>>();
    assert_eq!(faults(json!({"thread": {"callout": "M10-6H"}, "making": {"by": "die", "last_tap": "taper"}})), ["/making/by", "/making/last_tap"]);
    assert_eq!(faults(json!({"thread": {"callout": "M10-6g"}, "making": {"by": "tap", "turned_round": true}})), ["/making/by", "/making/turned_round"]);
    assert_eq!(
        faults(json!({"thread": {"callout": "M10-6g"}, "making": {"by": "die", "handle_mm": 5}, "blank": {"die_finish": true}})),
        ["/making/handle_mm", "/blank/die_finish"]
    );
}

#[test]
fn power_only_where_it_stops_in_time_and_nothing_comes_off() {
    let power = |lathe: usize, more: Value| {
        let mut request = json!({"lathe": demo_lathe(lathe), "making": {"power": true}});
        patched(&mut request, &more);
        die("M10", &request)
    };
    let mut served = 0;
    for lathe in 0..3 {
        for (left, length) in [(false, 60.0), (true, 60.0), (false, 3.0)] {
            let plan = power(lathe, json!({"thread": {"length_mm": length, "hand": if left { "left" } else { "right" }}}));
            let found = &plan.chaser.as_ref().unwrap().power;
            let (_, facts, _) = settled(json!({"thread": {"callout": "M10"}, "lathe": demo_lathe(lathe)})).unwrap();
            let rpm = found.speed_rpm.as_ref().unwrap().value;
            let surface = std::f64::consts::PI * 10.0 * rpm / 1000.0;
            let [turns, from] = facts.coast;
            let on = 1.5 * rpm / 60.0 * 0.7 + turns * 1.5 * (rpm / from).powi(2);
            let screwed = facts.chuck == yoke_core::job::Chuck::Screwed;
            let may = surface <= 4.0 && on <= length / 2.0 && !(left && screwed);
            assert_eq!(found.serves, may, "lathe {lathe}, left {left}, {length}: {}", found.says);
            assert!(!(found.reverses_off && screwed));
            // What must not be is a danger, red, and the hand is its cure.
            let line = plan.check.lines.iter().find(|l| l.code == "chaser_power").unwrap();
            assert_eq!(line.state == State::Bad, !may);
            assert_eq!(watches(&plan, "danger", "power_chaser"), !may);
            served += usize::from(may);
        }
    }
    assert!(served > 0);
}

fn acted(run: &RunPlan, acts: &[ActKind]) -> RunState {
    let acts: Vec<Act> = acts.iter().enumerate().map(|(i, kind)| Act { id: i.to_string(), kind: kind.clone() }).collect();
    fold(run, &acts, Voice::default())
}

fn over(mm: f64) -> ActKind {
    ActKind::Measured(Measured { pitch_diameter_mm: Some(mm), ..Measured::default() })
}

#[test]
fn its_run_goes_step_by_step_is_measured_and_gone_over_again() {
    let plan = die("M20x2.5-6g", &json!({}));
    let run = &plan.run;
    let step = |n: u32| ActKind::PassDone { n, radial_mm: 0.0 };
    let steps: Vec<ActKind> = run.passes.iter().map(|p| step(p.n)).collect();
    let begun = acted(run, &steps[..1]);
    assert_eq!(begun.next.as_ref().unwrap().name, plan.chaser.as_ref().unwrap().steps[1].name);
    let cut = acted(run, &steps);
    assert!(cut.next.is_none() && !cut.finished && cut.verdict.is_none());
    let told = |more: &[ActKind]| acted(run, &[steps.as_slice(), more].concat());
    // 18.334 to 18.164: over it, a touch closer; then in; or past.
    let large = told(&[over(18.40)]);
    assert_eq!(large.verdict.as_ref().unwrap().verdict, VerdictKind::TakeMore);
    assert!(large.verdict.unwrap().next.is_none() && large.next.as_ref().unwrap().says.contains("Close the die"));
    let again = large.next.unwrap().pass.n;
    let sound = told(&[over(18.40), step(again), over(18.25)]);
    assert!(sound.finished && sound.next.is_none());
    assert_eq!(told(&[over(18.10)]).verdict.unwrap().verdict, VerdictKind::PastLimit);
    assert_eq!(told(&[over(18.332)]).verdict.unwrap().verdict, VerdictKind::Unsure);
    // In the other unit it is asked after, and told again it counts.
    let far = told(&[over(12.0)]);
    assert_eq!((far.verdict.as_ref().unwrap().verdict, far.verdict.as_ref().unwrap().questions.len()), (VerdictKind::Unsure, 1));
    assert_eq!(told(&[over(12.0), over(12.0)]).verdict.unwrap().verdict, VerdictKind::PastLimit);
    let tried = |fit: FitKind| ActKind::Tried { fit, turns: (fit == FitKind::Enters).then_some(2.0), shake_mm: None, stands_off_mm: None, touched: None };
    assert!(told(&[tried(FitKind::Free)]).finished);
    assert_eq!(told(&[tried(FitKind::Enters)]).next.unwrap().pass.n, again);
    // No setting of a dial is told of it.
    for act in [ActKind::StandsAt { reading: 1.0 }, ActKind::Sprung {}, ActKind::Lost {}] {
        assert_eq!(run.check(&act, Voice::default()).unwrap_err().0, "/kind");
    }
    assert!(run.check(&steps[0], Voice::default()).is_ok());
    // One that does not close is not told to.
    let solid = die("M20x2.5-6g", &json!({"making": {"split": false}}));
    let more = acted(&solid.run, &[steps.as_slice(), &[over(18.40)]].concat());
    assert!(!more.says.contains("close the die by") && more.next.unwrap().says.starts_with("Run the die over"), "{}", more.verdict.unwrap().says);
}

/// A die's thread whose mate was never measured is tried in it, whatever the micrometer says; so is one finished over its crest said.
#[test]
fn what_a_die_made_is_tried_too_where_its_mate_was_never_measured() {
    let unmeasured = json!({"mate": {"school": "internal_first", "made_pitch_diameter_mm": 10.95, "made_doubt_mm": 0.06}, "blank": {"diameter_mm": 12.05}});
    let plan = die("M12", &unmeasured);
    let read = over(f64::midpoint(plan.run.limits_mm[0], plan.run.limits_mm[1]));
    let sized = acted(&plan.run, std::slice::from_ref(&read));
    let says = sized.verdict.as_ref().map(|v| v.says.clone()).unwrap_or_default();
    assert!(plan.run.must_try && !sized.finished && says.contains("try"), "{says}");
    let tried = ActKind::Tried { fit: FitKind::Free, turns: None, shake_mm: None, stands_off_mm: None, touched: None };
    assert!(acted(&plan.run, &[read, tried]).finished);
    // Measured, its size alone is enough; the crest over its limit is said with it.
    let plan = die("M12", &json!({"blank": {"diameter_mm": 12.05}}));
    let sized = acted(&plan.run, &[over(f64::midpoint(plan.run.limits_mm[0], plan.run.limits_mm[1]))]);
    assert!(sized.finished && sized.verdict.unwrap().says.contains("dress the crests"), "the crest is said");
}

#[test]
fn the_makers_stand_side_by_side_and_the_reason_is_this_job_s() {
    let sheet = |more: Value| {
        let mut request = json!({"thread": {"callout": "M8", "length_mm": 20}, "lathe": demo_lathe(1), "kit": {"chasers": [{"thread": "M8x1.25", "kind": "die"}, {"thread": "M24x3", "kind": "die"}]}});
        patched(&mut request, &more);
        let (job, lathe, kit) = settled(request).unwrap();
        makers(&job, &lathe, &kit)
    };
    let picked = |s: &MakersSheet| s.ways.iter().position(|w| w.recommended).unwrap();
    let plain = sheet(json!({}));
    assert_eq!((plain.ways.len(), picked(&plain), plain.ways[0].chosen), (3, 1, true), "{}", plain.says);
    assert!(plain.ways[1].minutes < plain.ways[0].minutes && plain.ways[0].minutes < plain.ways[2].minutes);
    // What must run true follows no die; one not in the drawer is not counted on; one too heavy finishes.
    let cases = [
        (json!({"blank": {"runs_true": true}}), 0),
        (json!({"thread": {"callout": "M9"}}), 0),
        (json!({"thread": {"callout": "M24x3"}, "making": {"handle_mm": 200}}), 2),
    ];
    for (more, way) in cases {
        let said = sheet(more.clone());
        assert_eq!(picked(&said), way, "{more}: {}", said.says);
    }
    // The two plans it weighs are those the job would have.
    let die = sheet(json!({"making": {"by": "die"}}));
    assert!(die.ways[1].chosen && die.ways[1].minutes == plain.ways[1].minutes);
}

#[test]
fn what_is_left_for_the_die_is_right_and_no_thread_in_its_limits() {
    let plan = sound(json!({"thread": {"callout": "M20x2.5-6g"}, "bit": {"tip_flat_mm": 0.3}, "blank": {"die_finish": true}}));
    let says = |mm: f64| {
        let passes: Vec<ActKind> = plan.run.passes.iter().map(|p| ActKind::PassDone { n: p.n, radial_mm: p.radial_mm }).collect();
        acted(&plan.run, &[passes.as_slice(), &[over(mm), over(mm)]].concat()).says
    };
    assert!(says(18.40).contains("As it should be for the die: 18.400 mm"), "{}", says(18.40));
    // At the drawing's own size there is nothing left for it, and the word is the usual one.
    assert!(!says(18.25).contains("for the die"), "{}", says(18.25));
}

#[test]
fn a_nut_a_tap_finishes_stops_under_its_size() {
    let planned =
        |finish: bool| sound(json!({"thread": {"callout": "M20x2.5-6H", "length_mm": 20}, "bit": {"tip_flat_mm": 0.15}, "blank": {"die_finish": finish}}));
    let (whole, left) = (planned(false), planned(true));
    // 0.15 under, the depth being over 0.8.
    assert!((whole.run.target_mm - left.run.target_mm - 0.15).abs() < 1e-9);
    // The mate goes on what the tap leaves.
    assert_eq!(whole.gauge.functional.as_ref().map(|f| &f.says), left.gauge.functional.as_ref().map(|f| &f.says));
    assert!(left.run.limits_mm[0] < whole.run.limits_mm[0] && left.run.limits_mm[1] == whole.run.limits_mm[1]);
    let (job, lathe, _) = settled(json!({"thread": {"callout": "M20x2.5-6H"}, "blank": {"die_finish": true}})).unwrap();
    let member = Member { job: "nut", title: "nut", plan: &left, facts: &job, lathe: &lathe, apart: false, mate: None, proven: false };
    let route = propose(&[member], Voice::default());
    assert!(route.ops().any(|(_, op)| op.kind == OpKind::ChaseTap));
    let card = bench(&member, &[member], OpKind::ChaseTap, Voice::default());
    let limits: Vec<f64> = card.iter().filter_map(|l| l.figure.as_ref().map(|q| q.value)).collect();
    assert!(limits.iter().zip([18.376, 18.600]).all(|(a, b)| (a - b).abs() < 1e-6), "{limits:?}");
}

#[test]
fn the_taps_there_are_are_those_run_in() {
    let taps = |making: Value, kit: Value| {
        let plan = sound(json!({"thread": {"callout": "M10-6H", "length_mm": 18}, "blank": {"shoulder": true}, "making": making, "kit": kit}));
        let chaser = plan.chaser.unwrap();
        let run: Vec<&str> = chaser.hole.as_ref().unwrap().taps.iter().filter(|t| t.run).map(|t| t.lead.word()).collect();
        (run.join(" "), chaser.steps.len(), chaser.hole.as_ref().unwrap().full_depth_mm.value)
    };
    let bare = || json!({});
    // None known: a set of three to the second; the drawer's own where it has any; those told, the last of them last.
    let (run, steps, deep) = taps(json!({"by": "tap"}), bare());
    assert_eq!((run.as_str(), steps), ("taper second", 4));
    let owned = |kinds: &[&str]| json!({"chasers": kinds.iter().map(|k| json!({"thread": "M10x1.5", "kind": k})).collect::<Vec<_>>()});
    assert_eq!(taps(json!({"by": "tap"}), owned(&["second_tap", "bottoming_tap"])).0, "second");
    assert_eq!(taps(json!({"by": "tap", "last_tap": "bottoming"}), owned(&["second_tap", "bottoming_tap"])).0, "second bottoming");
    let told = taps(json!({"by": "tap", "taps": ["bottoming", "taper"]}), bare());
    // The last tap's lead is three pitches shorter: 4.5 mm less to drill.
    assert!(told.0 == "taper bottoming" && (deep - told.2 - 4.5).abs() < 1e-6, "{told:?} {deep}");
    let blunt = sound(json!({"thread": {"callout": "M10-6H"}, "making": {"by": "tap", "taps": ["bottoming"]}}));
    assert!(blunt.watch.iter().any(|w| w.text.contains("goes in crooked")));
    let faults = |making: Value| reckon(json!({"thread": {"callout": "M10-6H"}, "making": making})).unwrap_err()[0].pointer.clone();
    assert_eq!(faults(json!({"by": "tap", "taps": []})), "/making/taps");
    assert_eq!(faults(json!({"by": "tap", "taps": ["taper"], "last_tap": "second"})), "/making/last_tap");
}
