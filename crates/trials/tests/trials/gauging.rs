//! Wires, verdicts and the run, against a second derivation of each.

use proptest::prelude::*;
use serde_json::json;
use yoke_core::gauge::{Measured, Verdict, VerdictKind};
use yoke_core::log::{Act, ActKind, BitChange, fold};
use yoke_core::plan::Plan;
use yoke_core::quantity::LengthUnit;
use yoke_core::run::RunPlan;
use yoke_core::voice::Voice;
use yoke_trials::{SinglePoint, cases, demo_lathe, judge, on, sound};

/// The lowest a circle can sit in a groove, found by trying heights: no formula of the core's.
fn seated_over(pitch: f64, pitch_d: f64, wire: f64) -> f64 {
    let slope = 30_f64.to_radians().tan();
    // Half width of the gap at a height above the pitch line.
    let gap = |y: f64| pitch / 4.0 + y * slope;
    let touches = |centre: f64| {
        (1..2000).any(|i| {
            let angle = std::f64::consts::PI * f64::from(i) / 2000.0;
            let (x, y) = (wire / 2.0 * angle.sin(), centre - wire / 2.0 * angle.cos());
            x > gap(y)
        })
    };
    let (mut low, mut high) = (-pitch, pitch * 2.0);
    for _ in 0..60 {
        let mid = f64::midpoint(low, high);
        if touches(mid) { low = mid } else { high = mid }
    }
    pitch_d + 2.0 * (high + wire / 2.0)
}

#[test]
fn the_size_over_wires_is_where_a_circle_really_sits() {
    for callout in ["M6", "M20x2.5", "M36x1.5", "7/8-9 UNC", "1-8", "#10-32"] {
        let plan = on(0, callout);
        let (Some(wire), Some(over)) = (&plan.gauge.wire_mm, &plan.gauge.over_wires_mm) else { continue };
        let sits = seated_over(plan.thread.pitch_mm.value, plan.point().cut.target_pitch_diameter_mm.value, wire.value);
        assert!((sits - over.target.value).abs() < 2e-5, "{callout}: {sits} but {}", over.target.value);
    }
}

#[test]
fn the_best_wire_bears_on_the_pitch_line_whatever_the_angle_error() {
    // A property of the best wire: its contact stands on the pitch line, so the size does not feel the flank angle.
    let plan = on(0, "M20x2.5");
    let (w, p) = (plan.gauge.best_mm.as_ref().unwrap().value, 2.5);
    let over = |deg: f64| {
        let a = f64::to_radians(deg);
        w * (1.0 + 1.0 / a.sin()) - p / (2.0 * a.tan())
    };
    let slope = (over(30.01) - over(29.99)) / 0.02;
    assert!(slope.abs() < 1e-4, "{slope} mm a degree");
}

#[test]
fn the_lead_correction_is_small_for_one_start_and_used_for_many() {
    let one = on(0, "M20x2.5").gauge;
    let formulas = one.formulas.unwrap();
    let off = formulas.approximate.value - formulas.simple.value;
    assert!(!one.corrected && off > 0.0 && off < 0.003, "{off}");
    let three = sound(json!({"thread": {"callout": "M20x2.5", "starts": 3}, "lathe": demo_lathe(0)})).gauge;
    let formulas = three.formulas.unwrap();
    let nine = (formulas.approximate.value - formulas.simple.value) / off;
    assert!(three.corrected && (nine - 9.0).abs() < 1e-6, "it goes as the lead squared: {nine}");
    let exact = formulas.exact.unwrap().value;
    let used = three.over_wires_mm.unwrap().target.value;
    assert!(
        (used - formulas.approximate.value).abs() < 1e-9 || (used - exact).abs() < 1e-9 && (exact - formulas.approximate.value).abs() > 0.005,
        "{}",
        formulas.says
    );
}

fn verdict(plan: &Plan, size: f64, stood: f64) -> Verdict {
    judge(&plan.run, &Measured { pitch_diameter_mm: Some(size), ..Measured::default() }, stood).unwrap()
}

#[test]
fn verdicts_at_and_about_the_limits_of_a_screw_and_of_a_bore() {
    for (callout, turn) in [("M20x2.5-6g", 1.0), ("M36x1.5-6H", -1.0)] {
        let plan = on(1, callout);
        let stood = plan.run.passes.last().unwrap().radial_mm;
        let [low, high] = plan.run.limits_mm;
        // For a bore the near limit, where cutting starts, is the low one.
        let (near, far) = if turn > 0.0 { (high, low) } else { (low, high) };
        let at = |mm: f64| verdict(&plan, mm, stood).verdict;
        assert_eq!(at(near + turn * 0.02), VerdictKind::TakeMore, "{callout}");
        assert_eq!(at(f64::midpoint(low, high)), VerdictKind::InLimits);
        assert_eq!(at(far + turn * 0.002), VerdictKind::Unsure, "within the doubt of the far limit it stops");
        assert_eq!(at(far - turn * 0.002), VerdictKind::Unsure);
        assert_eq!(at(far - turn * 0.02), VerdictKind::PastLimit);
        let more = verdict(&plan, near + turn * 0.05, stood).next.unwrap();
        assert!(more.radial_mm > stood && (more.radial_mm - stood - more.more_radial_mm).abs() < 1e-12);
    }
}

#[test]
fn a_wide_spread_makes_the_verdict_careful() {
    let plan = on(0, "M20x2.5-6g");
    let stood = plan.run.passes.last().unwrap().radial_mm;
    let with = |spread: f64| judge(&plan.run, &Measured { pitch_diameter_mm: Some(18.18), spread_mm: Some(spread), ..Measured::default() }, stood).unwrap();
    assert_eq!(with(0.005).verdict, VerdictKind::InLimits);
    assert_eq!(with(0.03).verdict, VerdictKind::Unsure);
    let far = judge(&plan.run, &Measured { pitch_diameter_mm: Some(18.40), spread_mm: Some(0.1), ..Measured::default() }, stood).unwrap();
    let after = 18.40 - 2.0 * far.next.unwrap().more_radial_mm;
    assert!(after >= 18.164 + 0.1 - 1e-9, "the aim moves off the limit by the doubt: {after}");
}

#[test]
fn readings_that_cannot_be_right_are_questioned_by_name() {
    // The tip is measured, so half a millimetre cannot be the tip's doubt.
    let plan = sound(json!({"thread": {"callout": "M20x2.5-6g"}, "lathe": demo_lathe(0), "bit": {"tip_flat_mm": 0.32}}));
    let stood = plan.run.passes.last().unwrap().radial_mm;
    let over = plan.gauge.over_wires_mm.as_ref().unwrap().target.value;
    let ask = |mm: f64| judge(&plan.run, &Measured { over_wires_mm: Some(mm), ..Measured::default() }, stood).unwrap();
    for (mm, word) in [
        (over / 25.4, "inches"),
        (over * 25.4, "millimeters"),
        (over + 0.5, "half a millimeter"),
        (over - 0.635, "0.025 in"),
        (over + 1.2, "check the wire size"),
    ] {
        let verdict = ask(mm);
        assert_eq!((verdict.verdict, verdict.next.is_none()), (VerdictKind::Unsure, true));
        assert!(verdict.questions[0].contains(word), "{mm}: {:?}", verdict.questions);
    }
    let turn = 2.0 * plan.run.dial.turn_radial_mm();
    assert!(ask(over + turn).questions[0].contains("whole turn"));
    assert!(ask(over + 0.1).questions.is_empty());
    assert!(judge(&plan.run, &Measured::default(), stood).is_none(), "no size, no verdict");
}

#[test]
fn a_thread_proven_once_and_then_read_large_or_in_doubt_is_not_proven() {
    let plan = on(0, "M20x2.5-6g");
    let deep = plan.run.passes.last().unwrap().radial_mm;
    let read = |id: &str, mm: f64| Act { id: id.into(), kind: ActKind::Measured(Measured { pitch_diameter_mm: Some(mm), ..Measured::default() }) };
    let cut = Act { id: "a0".into(), kind: ActKind::PassDone { n: 1, radial_mm: deep } };
    let inside = f64::midpoint(plan.run.limits_mm[0], plan.run.limits_mm[1]);
    let proven = fold(&plan.run, &[cut.clone(), read("a1", inside)], Voice::default());
    assert!(proven.finished && proven.next.is_none());
    let large = fold(&plan.run, &[cut.clone(), read("a1", inside), read("a2", plan.run.limits_mm[1] + 0.05)], Voice::default());
    // A tenth larger with nothing cut between: a burr or a chip is likelier, so it is asked first; read so again, it stands.
    assert!(!large.finished && large.next.is_none() && large.verdict.unwrap().questions[0].contains("burr"));
    let again = [cut.clone(), read("a1", inside), read("a2", plan.run.limits_mm[1] + 0.05), read("a3", plan.run.limits_mm[1] + 0.049)];
    let again = fold(&plan.run, &again, Voice::default());
    assert!(!again.finished && again.next.is_some(), "{:?}", again.verdict);
    let doubtful = fold(&plan.run, &[cut, read("a1", inside), read("a2", plan.run.limits_mm[0] + 0.001)], Voice::default());
    assert!(!doubtful.finished && doubtful.next.is_none(), "{:?}", doubtful.verdict);
}

#[test]
fn an_act_is_checked_field_by_field() {
    let check = |act: serde_json::Value| serde_json::from_value::<ActKind>(act).unwrap().check(Voice::default());
    assert!(check(json!({"kind": "pass_done", "n": 1, "radial_mm": 0.2})).is_ok());
    assert!(check(json!({"kind": "note", "text": "chip in the mate"})).is_ok());
    for (act, field) in [
        (json!({"kind": "pass_done", "n": 1, "radial_mm": -1.0}), "/radial_mm"),
        (json!({"kind": "pass_done", "n": 5000, "radial_mm": 1.0}), "/n"),
        (json!({"kind": "measured"}), "/over_wires_mm"),
        (json!({"kind": "measured", "over_wires_mm": 20.0, "pitch_diameter_mm": 18.0}), "/over_wires_mm"),
        (json!({"kind": "measured", "pitch_diameter_mm": 0.0}), "/pitch_diameter_mm"),
        (json!({"kind": "measured", "pitch_diameter_mm": 18.0, "spread_mm": 9.0}), "/spread_mm"),
        (json!({"kind": "stands_at", "reading": -0.1}), "/reading"),
        (json!({"kind": "undone", "act": ""}), "/act"),
        (json!({"kind": "note", "text": " "}), "/text"),
    ] {
        assert_eq!(check(act.clone()).unwrap_err()[0].0, field, "{act}");
    }
    // All that is wrong is told at once, a length in the unit spoken, and letters are counted as letters.
    let both = json!({"kind": "measured", "over_wires_mm": -2, "spread_mm": 9, "wire_mm": 1, "instrument": ""});
    let wrong = serde_json::from_value::<ActKind>(both).unwrap().check(Voice { unit: LengthUnit::In, ..Voice::default() }).unwrap_err();
    assert_eq!(wrong.iter().map(|w| w.0).collect::<Vec<_>>(), ["/over_wires_mm", "/spread_mm", "/instrument"]);
    assert!(wrong[..2].iter().all(|w| w.1.ends_with(" in")), "{wrong:?}");
    assert_eq!(check(json!({"kind": "took", "n": 2000, "reading": -1})).unwrap_err().len(), 2);
    assert!(check(json!({"kind": "note", "text": "ü".repeat(4000)})).is_ok());
}

/// Any act a hand could send, sensible or not.
fn acts() -> impl Strategy<Value = Vec<ActKind>> {
    let act = prop_oneof![
        4 => (0_u32..25, 0.0_f64..2.5).prop_map(|(n, radial_mm)| ActKind::PassDone { n, radial_mm }),
        2 => (17.5_f64..20.5).prop_map(|e| ActKind::Measured(Measured { pitch_diameter_mm: Some(e), ..Measured::default() })),
        1 => (19.0_f64..22.0).prop_map(|m| ActKind::Measured(Measured { over_wires_mm: Some(m), spread_mm: Some(0.01), ..Measured::default() })),
        1 => (0.0_f64..0.2).prop_map(|reading| ActKind::StandsAt { reading }),
        1 => (0_usize..12).prop_map(|i| ActKind::Undone { act: format!("a{i}") }),
        1 => Just(ActKind::Note { text: "n".into() }),
        1 => (0_u32..25, 0.0_f64..0.1).prop_map(|(n, reading)| ActKind::Took { n, reading }),
        1 => (prop::option::of(0.0_f64..0.6)).prop_map(|tip_flat_mm| ActKind::BitChanged { why: BitChange::Swapped, tip_flat_mm, tip_radius_mm: None }),
        1 => prop_oneof![Just(ActKind::Sprung {}), Just(ActKind::Rechucked { back: None, swing_mm: None }), Just(ActKind::Lost {}), Just(ActKind::Stopped {}), Just(ActKind::Finished {})],
    ];
    prop::collection::vec(act, 0..14)
}

proptest! {
    #![proptest_config(ProptestConfig::with_cases(cases(2000)))]

    #[test]
    fn whatever_is_told_the_next_setting_never_goes_past_the_limit(kinds in acts()) {
        let plan = on(0, "M20x2.5-6g");
        let list: Vec<Act> = kinds.iter().enumerate().map(|(i, kind)| Act { id: format!("a{i}"), kind: kind.clone() }).collect();
        let state = fold(&plan.run, &list, Voice::default());
        // By the plan's own tip and blank, the schedule stops at the aim; by a reading, at the reading's.
        for (a, b) in state.schedule.iter().zip(state.schedule.iter().skip(1)) {
            prop_assert!(b.pass.radial_mm >= a.pass.radial_mm - 1e-9, "never back");
        }
        if let Some(verdict) = state.verdict.as_ref().filter(|v| v.verdict == VerdictKind::TakeMore) {
            let deepest = state.schedule.last().map_or(state.stands_mm, |s| s.pass.radial_mm);
            let after = verdict.pitch_diameter_mm.value - 2.0 * (deepest - state.stands_mm);
            prop_assert!(after >= plan.run.limits_mm[0] - 1e-9, "{after}");
        }
        if state.finished {
            prop_assert!(state.next.is_none());
        }
        // The fold is of the acts alone: the same again gives the same.
        prop_assert_eq!(fold(&plan.run, &list, Voice::default()), state);
    }

    #[test]
    fn undoing_everything_is_where_it_began(kinds in acts()) {
        let plan = on(0, "M20x2.5-6g");
        let kinds: Vec<ActKind> = kinds.into_iter().filter(|k| !matches!(k, ActKind::Undone { .. })).collect();
        let mut list: Vec<Act> = kinds.iter().enumerate().map(|(i, kind)| Act { id: format!("a{i}"), kind: kind.clone() }).collect();
        for i in 0..kinds.len() {
            list.push(Act { id: format!("u{i}"), kind: ActKind::Undone { act: format!("a{i}") } });
        }
        prop_assert_eq!(fold(&plan.run, &list, Voice::default()), fold(&plan.run, &[], Voice::default()));
    }
}

#[test]
fn a_guessed_tip_stops_short_is_measured_and_the_rest_is_planned_from_it() {
    let bit = json!({"included_angle_deg": 59, "tip_flat_between_mm": [0.3, 0.5]});
    let plan = sound(json!({"thread": {"callout": "M20x2.5-6g"}, "lathe": demo_lathe(0), "bit": bit}));
    let mut acts: Vec<Act> =
        plan.run.passes.iter().map(|p| Act { id: format!("p{}", p.n), kind: ActKind::PassDone { n: p.n, radial_mm: p.radial_mm } }).collect();
    let at_stop = fold(&plan.run, &acts, Voice::default());
    assert!(at_stop.next.is_none() && at_stop.tip.is_none() && at_stop.says.to_lowercase().contains("measure"));
    // The true flat is 0.36: narrower than laid out for, so the thread is still large by twice the difference of reach.
    let reach = |flat: f64| (2.5 / 4.0 - flat / 2.0) / 30.0_f64.to_radians().tan();
    let size = plan.run.start_mm - 2.0 * (plan.run.passes.last().unwrap().radial_mm - reach(0.36));
    acts.push(Act { id: "m".into(), kind: ActKind::Measured(Measured { pitch_diameter_mm: Some(size), ..Measured::default() }) });
    let read = fold(&plan.run, &acts, Voice::default());
    assert_eq!(read.verdict.as_ref().unwrap().verdict, VerdictKind::TakeMore);
    let left = 2.0 * (read.schedule.last().unwrap().pass.radial_mm - read.stands_mm);
    assert!((size - left - plan.run.target_mm).abs() < 0.03, "what is left reaches the aim: {left}");
    let tip = read.tip.unwrap();
    assert!((tip.flat_mm - 0.36).abs() < 0.02 && tip.says.contains("By 1 reading"), "{tip:?}");
    // A plan frozen before the tip was kept still runs.
    let mut old = serde_json::to_value(&plan.run).unwrap();
    old.as_object_mut().unwrap().remove("tip");
    let old: RunPlan = serde_json::from_value(old).unwrap();
    assert!(fold(&old, &acts, Voice::default()).tip.is_none());
}

#[test]
fn drawn_wires_touch_their_flanks_and_the_anvils() {
    for callout in ["M20x2.5", "7/8-9 UNC", "M36x1.5"] {
        let plan = on(0, callout);
        let Some(drawing) = &plan.gauge.drawing else { continue };
        let flanks: Vec<_> = drawing.shapes.iter().filter(|s| s.role == "thread.flank").flat_map(|s| s.line.windows(2)).collect();
        let anvil = drawing.shapes.iter().find(|s| s.role == "anvil").unwrap().line[0][1];
        for wire in drawing.shapes.iter().filter(|s| s.role == "wire.seated") {
            let c = wire.circle.unwrap();
            let nearest = flanks
                .iter()
                .map(|s| {
                    let ([x1, y1], [x2, y2]) = (s[0], s[1]);
                    let (dx, dy) = (x2 - x1, y2 - y1);
                    let t = (((c.x - x1) * dx + (c.y - y1) * dy) / (dx * dx + dy * dy).max(1e-12)).clamp(0.0, 1.0);
                    (x1 + t * dx - c.x).hypot(y1 + t * dy - c.y)
                })
                .fold(f64::MAX, f64::min);
            assert!((nearest - c.r).abs() < 2e-3, "{callout}: {nearest} from the flank, radius {}", c.r);
            assert!((c.y.abs() + c.r - anvil.abs()).abs() < 2e-4, "{callout}: the anvil touches");
        }
    }
}

#[test]
fn a_dial_reading_in_the_other_unit_is_refused_by_name() {
    // Gap bed, mm dial: 0.9 is full depth of an M36×1.5; 25 times that is a slip of the unit.
    let plan = sound(json!({"thread": {"callout": "M36x1.5-6H"}, "lathe": demo_lathe(1), "bit": {"tip_flat_mm": 0.1875}}));
    let told = |reading: f64| plan.run.check(&ActKind::StandsAt { reading }, Voice::default());
    assert!(told(0.9).is_ok() && told(0.0).is_ok() && told(2.0).is_ok());
    let (field, detail) = told(22.9).unwrap_err();
    assert_eq!(field, "/reading");
    assert!(detail.contains("full depth is 0.900 mm") && detail.contains("read in inches"), "{detail}");
    let inch = on(0, "M20x2.5");
    assert!(inch.run.check(&ActKind::StandsAt { reading: 1.8 }, Voice::default()).unwrap_err().1.contains("read in mm"));
    // Only a dial reading has that to fear.
    assert!(inch.run.check(&ActKind::Note { text: "1.8".into() }, Voice::default()).is_ok());
}

#[test]
fn telling_where_the_dial_stands_takes_up_the_schedule_there() {
    let plan = on(0, "7/8-9 UNC");
    let run = &plan.run;
    let at = |readings: &[f64]| {
        let acts: Vec<Act> = readings.iter().enumerate().map(|(i, r)| Act { id: i.to_string(), kind: ActKind::StandsAt { reading: *r } }).collect();
        fold(run, &acts, Voice::default())
    };
    let reading = |i: usize| run.passes[i].radial_mm * run.dial.reading_per_radial / 25.4;
    for i in 0..run.passes.len() - 3 {
        let state = at(&[reading(i)]);
        assert_eq!(state.next.as_ref().map(|n| n.pass.n), Some(run.passes[i + 1].n), "from pass {i}");
        assert!((state.stands_mm - run.passes[i].radial_mm).abs() < 1e-9 && state.begun);
    }
    // Between two settings the deeper is next; told again shallower, the passes come back.
    let between = f64::midpoint(reading(4), reading(5));
    assert_eq!(at(&[between]).next.unwrap().pass.n, run.passes[5].n);
    assert_eq!(at(&[reading(8), reading(2)]).next.unwrap().pass.n, run.passes[3].n);
    // At full depth only the springs are left, and past it nothing.
    let springs = at(&[reading(run.passes.len() - 1)]);
    assert!(springs.schedule.iter().all(|s| s.pass.kind == yoke_core::cut::PassKind::Spring) && springs.schedule.len() == 2);
    assert!(at(&[reading(run.passes.len() - 1) + 0.02]).next.is_none());
}

#[test]
fn several_undone_in_any_order_leave_what_stands() {
    let plan = on(0, "M20x2.5");
    let pass = |i: usize| ActKind::PassDone { n: plan.run.passes[i].n, radial_mm: plan.run.passes[i].radial_mm };
    let mut acts: Vec<Act> = (0..6).map(|i| Act { id: format!("p{i}"), kind: pass(i) }).collect();
    for (i, undone) in ["p3", "p5", "p4"].iter().enumerate() {
        acts.push(Act { id: format!("u{i}"), kind: ActKind::Undone { act: (*undone).into() } });
    }
    let state = fold(&plan.run, &acts, Voice::default());
    assert_eq!(state.done, [0, 1, 2]);
    assert_eq!(state.next.as_ref().unwrap().pass, plan.run.passes[3]);
    assert_eq!(state.last_act.as_deref(), Some("p2"), "the next undo takes back the last that stands");
    // Undoing what is not there, or twice, changes nothing.
    acts.push(Act { id: "u9".into(), kind: ActKind::Undone { act: "nothing".into() } });
    acts.push(Act { id: "u10".into(), kind: ActKind::Undone { act: "p3".into() } });
    assert_eq!(fold(&plan.run, &acts, Voice::default()), state);
}

#[test]
fn the_wires_chosen_stand_proud_of_the_crests_where_any_of_the_drawer_do() {
    // The paddle screw, cut to the middle of 2G: the wire nearest the best, 2.54, would lie 0.016 under the turned crests at the aim.
    let over = |wire: f64, size: f64| size + wire * (1.0 + 1.0 / 14.5_f64.to_radians().sin()) - 5.08 / (2.0 * 14.5_f64.to_radians().tan());
    let plan = yoke_trials::on(0, "1-1/4-5 Acme LH");
    let (crest, aim, low) = (plan.blank.used_mm.value, plan.point().cut.target_pitch_diameter_mm.value, plan.gauge.min_mm.value);
    assert!(over(2.54, aim) < crest && over(3.048, low) > crest, "{crest} {aim} {low}");
    let wires = plan.gauge.over_wires_mm.as_ref().unwrap();
    assert_eq!(plan.gauge.wire_mm.as_ref().map(|w| w.value), Some(3.048));
    assert!(wires.min.value > crest && plan.point().cut.passes.last().unwrap().over_wires_mm.is_some());
    assert!(!yoke_trials::watches(&plan, "warn", "wire_two_seats"));
    // With none that does, the nearest is named with what is wrong, and what would be right.
    let alone = yoke_trials::sound(json!({"thread": {"callout": "1-1/4-5 Acme LH"}, "gauge": {"wires_mm": [2.54]}}));
    assert!(
        alone.watch.iter().any(|w| w.code.name() == "wire_unusable" && w.text.contains("lies below the crests") && w.text.contains("3.302")),
        "{:?}",
        alone.watch
    );
}
