//! Properties that every plan has.

use proptest::prelude::*;
use serde_json::{Value, json};
use std::collections::HashMap;
use yoke_core::faults::read_json;
use yoke_core::gauge::{Estimate, Measured, Observation, VerdictKind, judge_knowing};
use yoke_core::gears::{Table, Wanted, search};
use yoke_core::job::{PlanRequest, settle};
use yoke_core::log::{Act, ActKind, fold};
use yoke_core::quantity::{Exact, Ratio, real};
use yoke_core::rulebook::rules;
use yoke_core::voice::Voice;
use yoke_core::working::Operand;
use yoke_trials::{SinglePoint, judge, reckon, sound};

/// Every thread either system lists that the wires and dials of the demo yard meet.
fn callout() -> impl Strategy<Value = String> {
    const SIZES: &[&str] = &["M6", "M10", "M12", "M16x2", "M20x2.5-6g", "M24", "M36x1.5", "1/4-20", "3/4-10 UNC-2A", "7/8-9 UNC-2A", "1-8", "1-12 UNF-3A"];
    (prop::sample::select(SIZES), prop::sample::select(&["", " LH"])).prop_map(|(s, h)| format!("{s}{h}"))
}

proptest! {
    #![proptest_config(ProptestConfig::with_cases(60))]

    #[test]
    fn every_working_evaluates_to_its_value(callout in callout(), flat in 0.0_f64..0.4, shoulder: bool, starts in 1_i64..4, by in prop::sample::select(&["single_point", "single_point", "die", "tap"])) {
        let side = if by == "tap" { "internal" } else { "external" };
        let plan = sound(json!({"thread": {"callout": callout.replace("-6g", "").replace("-2A", "").replace("-3A", ""), "side": side, "starts": starts},
            "bit": {"tip_flat_mm": flat}, "blank": {"shoulder": shoulder}, "making": {"by": by}}));
        let by_id: HashMap<&str, _> = rules().into_iter().map(|r| (r.id, r)).collect();
        for (i, working) in plan.workings.iter().enumerate() {
            let operands: Vec<f64> = working.of.iter().map(|o| match o {
                Operand::Value(v) => *v,
                Operand::Line { w } => { assert!((*w as usize) < i, "a line reads only lines before it"); plan.workings[*w as usize].gives }
            }).collect();
            let again = (by_id[working.rule].eval)(&operands);
            prop_assert!((again - working.gives).abs() < 1e-9 * again.abs().max(1.0), "{}: {again} not {}", working.rule, working.gives);
        }
        // Every quantity that points at a working shows that working's value.
        let value = serde_json::to_value(&plan).unwrap();
        let mut stack = vec![&value];
        while let Some(node) = stack.pop() {
            match node {
                Value::Object(map) => {
                    if let (Some(w), Some(v)) = (map.get("w").and_then(Value::as_u64), map.get("value").and_then(Value::as_f64)) {
                        prop_assert!((plan.workings[usize::try_from(w).unwrap()].gives - v).abs() < 1e-8);
                    }
                    stack.extend(map.values());
                }
                Value::Array(list) => stack.extend(list),
                _ => {}
            }
        }
    }

    /// Cutting the computed infeed gives a pitch diameter that gauges as the target. The cut is made
    /// here by sweeping the tip's own outline into the blank, not by the formula that computed it.
    #[test]
    fn cut_and_gauge_are_inverse(callout in callout(), share in 0.05_f64..0.24, round: bool, style in prop::sample::select(&["radial", "flank", "modified_flank"]), blank_off in -0.1_f64..0.0) {
        let first = sound(json!({"thread": {"callout": callout}}));
        let pitch = first.thread.pitch_mm.value;
        let tip = if round { json!({"tip_radius_mm": share * pitch * 0.5}) } else { json!({"tip_flat_mm": share * pitch}) };
        let blank = first.blank.aim_mm.value + blank_off;
        let plan = sound(json!({"thread": {"callout": callout}, "bit": tip, "blank": {"diameter_mm": blank}, "cut": {"style": style}}));
        let tan = 30_f64.to_radians().tan();
        let depth = plan.point().cut.radial_mm.value;
        // Half width of the tip's outline a height y above its end.
        let half_width = |y: f64| if round {
            let r = share * pitch * 0.5;
            let tangent = r * (1.0 - 0.5);
            if y < tangent { (r * r - (r - y) * (r - y)).max(0.0).sqrt() } else { r * 30_f64.to_radians().cos() + (y - tangent) * tan }
        } else {
            share * pitch / 2.0 + y * tan
        };
        // The pitch diameter is where the groove is half a pitch wide: found by bisection.
        let (mut low, mut high) = (0.0, depth * 3.0);
        for _ in 0..80 {
            let mid = f64::midpoint(low, high);
            if half_width(mid) * 2.0 < pitch / 2.0 { low = mid } else { high = mid }
        }
        let cut = blank - 2.0 * (depth - low);
        prop_assert!((cut - plan.point().cut.target_pitch_diameter_mm.value).abs() < 1e-6, "cut {cut}");
        // And it gauges as the target, in limits.
        if let Some(wires) = &plan.gauge.over_wires_mm {
            let verdict = judge(&plan.run, &Measured { over_wires_mm: Some(wires.target.value), ..Measured::default() }, depth).unwrap();
            prop_assert!((verdict.pitch_diameter_mm.value - cut).abs() < 1e-6);
            prop_assert_eq!(verdict.verdict, VerdictKind::InLimits);
        }
    }

    #[test]
    fn the_next_cut_lands_in_limits_and_never_past(callout in callout(), over in 0.02_f64..0.18, flat_share in 0.09_f64..0.2) {
        let pitch = sound(json!({"thread": {"callout": callout}})).thread.pitch_mm.value;
        let plan = sound(json!({"thread": {"callout": callout}, "bit": {"tip_flat_mm": flat_share * pitch}}));
        let stood = plan.run.passes.last().unwrap().radial_mm;
        let size = plan.run.limits_mm[1] + over;
        // Nothing springs away on this lathe, which the core cannot know: every cut advised takes just what it says, and the last
        // ends in limits.
        let mut known = Estimate::before(&plan.run).unwrap();
        let mut sets: Vec<f64> = plan.run.passes.iter().map(|p| p.radial_mm).collect();
        let mut verdict = judge(&plan.run, &Measured { pitch_diameter_mm: Some(size), ..Measured::default() }, stood).unwrap();
        prop_assert_eq!(verdict.verdict, VerdictKind::TakeMore);
        let mut now = size;
        for _ in 0..8 {
            let Some(next) = &verdict.next else { break };
            now = size - 2.0 * (next.radial_mm - stood);
            prop_assert!(now >= plan.run.limits_mm[0], "never past the limit");
            known.see(&plan.run, &sets, &Observation::Size { mm: verdict.pitch_diameter_mm.value, doubt_mm: 0.005 });
            sets.push(next.radial_mm);
            verdict = judge_knowing(&plan.run, &Measured { pitch_diameter_mm: Some(now), ..Measured::default() }, &sets, Some(&known), Voice::default()).unwrap();
        }
        let half_division = plan.run.dial.graduation_mm / plan.run.dial.reading_per_radial;
        prop_assert!(now <= plan.run.limits_mm[1] + half_division, "{now} {verdict:?}");
    }

    #[test]
    fn the_best_train_equals_brute_force(gears in prop::collection::vec(prop::sample::select(&[20_i64, 24, 25, 28, 30, 35, 38, 40, 45, 50, 57, 60, 63, 80, 127]), 2..8), pitch in prop::sample::select(&["0.7", "1", "1.25", "1.5", "1.75", "2.5", "127/55", "25.4"]), positions in 1_usize..4) {
        let boxes = ["1/1", "1/2", "7/6"].iter().take(positions).map(|r| json!({"name": *r, "ratio": r})).collect::<Vec<_>>();
        let request = json!({"thread": {"callout": "M20"}, "lathe": {"leadscrew": {"pitch_mm": 6}, "gears": gears, "gearbox": boxes}});
        let (request, faults) = read_json::<PlanRequest>(request);
        let (_, lathe, _) = settle(&request, None, faults).unwrap();
        let required = Exact::parse(pitch).unwrap().0 / Ratio::from_integer(6);
        let (_, found) = search(&lathe, &Table::of(&lathe), &required, &Wanted { limit: 12, ..Wanted::default() });
        let off = |r: Ratio| { let d = r - required; if d < Ratio::from_integer(0) { -d } else { d } };
        let mut best: Option<Ratio> = None;
        let n = gears.len();
        let g = |i: usize| i128::from(gears[i]);
        for position in &lathe.gearbox {
            let mut consider = |r: Ratio| { let r = r * position.ratio.0; if best.is_none_or(|b| off(r) < off(b)) { best = Some(r) } };
            for a in 0..n { for b in 0..n { if a != b {
                consider(Ratio::new(g(a), g(b)));
                for c in 0..n { for d in 0..n { if ![a, b].contains(&c) && ![a, b, c].contains(&d) { consider(Ratio::new(g(a) * g(c), g(b) * g(d))) } } }
            } } }
        }
        let best = best.unwrap();
        let closest: Vec<_> = found.iter().filter(|f| f.closest).collect();
        prop_assert_eq!(closest.len(), 1);
        prop_assert_eq!(off(closest[0].ratio), off(best));
        for f in &found {
            // Every train multiplies out exactly, and is made of gears there are.
            let product = |side: &[yoke_core::job::Gear]| side.iter().map(|g| i128::from(g.teeth)).product::<i128>();
            prop_assert_eq!(f.ratio, Ratio::new(product(&f.train.drivers), product(&f.train.driven)) * lathe.gearbox[f.train.gearbox].ratio.0);
            let mut left = gears.clone();
            for t in f.train.drivers.iter().chain(&f.train.driven) {
                let at = left.iter().position(|x| *x == i64::from(t.teeth));
                prop_assert!(at.is_some());
                left.remove(at.unwrap());
            }
        }
        for pair in found.windows(2).filter(|p| p[0].fit.hangs == p[1].fit.hangs && !p[1].closest) {
            prop_assert!(pair[0].error.abs() <= pair[1].error.abs() + 1e-15, "ranked by error");
        }
    }

    #[test]
    fn no_request_panics(
        callout in "(M|#|)[0-9]{0,3}[./x-]{0,2}[0-9]{0,3}[A-Za-z0-9 -]{0,8}",
        numbers in prop::collection::vec(prop_oneof![any::<f64>(), -10.0_f64..100.0], 12),
        whole in prop::collection::vec(-5_i64..500, 8),
    ) {
        let n = |i: usize| if numbers[i].is_finite() { json!(numbers[i]) } else { json!(0) };
        let _ = reckon(json!({
            "thread": {"callout": callout, "starts": whole[0], "length_mm": n(0), "engagement_mm": n(1)},
            "blank": {"diameter_mm": n(2), "relief_width_mm": n(3), "shoulder": true},
            "lathe": {"leadscrew": {"pitch_mm": n(4)}, "gears": whole, "arm": {"stud_to_leadscrew_mm": n(5), "slot_reach_mm": [n(6), n(7)]}, "fixed_ratio": n(8)},
            "bit": {"tip_flat_mm": n(9)}, "cut": {"passes": whole[1], "target_pitch_diameter_mm": n(10), "compound_angle_deg": n(11)},
            "gears": {"hang": {"drivers": [whole[2], whole[3]], "driven": [whole[4], whole[5]]}, "limit": whole[6]}
        }));
        let _ = reckon(json!({
            "thread": {"special": {"major_mm": n(0), "pitch_mm": n(1), "minor_mm": n(2), "included_angle_deg": n(3), "crest_flat_mm": n(4)}, "clearance_mm": n(5)},
            "mate": {"made_pitch_diameter_mm": n(6), "clearance_mm": n(7)}, "blank": {"stick_out_mm": n(8), "support": "centre", "end": "withdraw"},
            "pad": [{"name": "a", "kind": "taper", "figures": [{"value": n(9)}, {"value": n(10)}, {"value": n(11)}, {"value": n(2)}], "feeds": "blank_diameter"}]
        }));
        // The same where all else is sound, so that deeper code is reached.
        let _ = reckon(json!({"thread": {"callout": "M20", "length_mm": n(0)}, "blank": {"diameter_mm": n(2)}, "cut": {"target_pitch_diameter_mm": n(10), "passes": whole[1]}, "bit": {"tip_radius_mm": n(9)}}));
    }

    #[test]
    fn passes_set_never_go_past_the_aim_and_never_back(callout in callout(), passes in 1_i64..60) {
        let plan = sound(json!({"thread": {"callout": callout}, "cut": {"passes": passes}}));
        let rows = &plan.point().cut.passes;
        prop_assert!(rows.windows(2).all(|p| p[1].radial_mm >= p[0].radial_mm || p[0].n == 0));
        prop_assert!(rows.iter().all(|p| p.radial_mm <= plan.point().cut.radial_mm.value + 1e-8));
    }
}

#[test]
fn the_tie_rod_by_hand() {
    // M20×2.5-6g with a 0.30 flat on a 19.90 blank, flank at 29.5°, worked with a pocket calculator.
    let plan = sound(json!({
        "thread": {"callout": "M20x2.5-6g", "length_mm": 60}, "blank": {"diameter_mm": 19.9, "shoulder": true},
        "bit": {"tip_flat_mm": 0.3}, "cut": {"target_pitch_diameter_mm": 18.25}, "gauge": {"wires_mm": [1.35, 1.45, 1.6]}
    }));
    // h = 2.5/(4 tan 30°) − 0.3/(2 tan 30°) = 1.08253 − 0.25981; X = (19.9 − 18.25)/2 + h.
    assert!((plan.point().bit.tip_to_pitch_mm.value - 0.822_72).abs() < 1e-5);
    assert!((plan.point().cut.radial_mm.value - 1.647_72).abs() < 1e-5);
    assert!((plan.point().cut.compound_mm.as_ref().unwrap().value - 1.893_16).abs() < 1e-5);
    // M = 18.25 + 3 × 1.45 − 0.866025 × 2.5.
    assert!((plan.gauge.over_wires_mm.as_ref().unwrap().target.value - 20.434_94).abs() < 1e-5);
    assert!((plan.gauge.best_mm.as_ref().unwrap().value - 1.443_38).abs() < 1e-5);
    let usable = plan.gauge.usable_mm.as_ref().unwrap();
    // By the crest turned, 19.9, at the size aimed at, 18.25: least (19.9 − 18.25 + 2.165)/3 = 1.2717; largest, contact at the crest's edge,
    // (0.825 + 1.0825)·2·sin 30°/cos² 30° = 2.5434. By the basic crest they are the 0.505P and 1.010P of the books.
    assert!((usable.min.value - 1.2717).abs() < 1e-3 && (usable.max.value - 2.5434).abs() < 1e-3, "{} {}", usable.min.value, usable.max.value);
    let basic = sound(json!({"thread": {"callout": "M20x2.5-6g"}, "lathe": yoke_trials::demo_lathe(0)})).gauge.usable_mm.unwrap();
    assert!((basic.min.value / 2.5 - 0.505).abs() < 1e-3 && (basic.max.value / 2.5 - 1.010).abs() < 1e-3);
    let hung = plan.point().gears.hung.as_ref().unwrap();
    assert_eq!(hung.train.ratio, "50/127");
    assert_eq!(hung.train.error_ppm, 0.0);
    assert_eq!(hung.train.fits, Some(true));
    assert_eq!(plan.point().gears.dial.rule, yoke_core::gears::DialRule::KeepClosed);
    // Relief: E min 18.164 − 2h − 0.2.
    assert!((plan.blank.relief.as_ref().unwrap().diameter_mm.value - 16.318_55).abs() < 1e-4);
    let size = serde_json::to_string(&plan).unwrap().len();
    assert!(size < 60_000, "the plan is {size} bytes");
}

#[test]
fn a_contradiction_names_both_and_all_faults_come_at_once() {
    let faults = reckon(json!({"thread": {"callout": "M20-6H", "side": "external", "starts": 40}, "blank": {"material": "cheese"}, "gears": {"hang": {"drivers": [4], "driven": [80]}}})).unwrap_err();
    let pointers: Vec<&str> = faults.iter().map(|f| f.pointer.as_str()).collect();
    assert_eq!(pointers, ["/thread/starts", "/thread/side", "/blank/material", "/gears/hang/drivers/0"]);
    assert!(faults[1].detail.contains("6H") && faults[1].detail.contains("external"));
}

fn act(id: usize, kind: ActKind) -> Act {
    Act { id: format!("a{id}"), kind }
}

#[test]
fn a_run_folds_marks_undoes_resyncs_and_replans() {
    let plan = sound(json!({"thread": {"callout": "M20x2.5-6g"}, "bit": {"tip_flat_mm": 0.32}}));
    let run = &plan.run;
    let done = |i: usize| ActKind::PassDone { n: run.passes[i].n, radial_mm: run.passes[i].radial_mm };
    let mut acts: Vec<Act> = (0..3).map(|i| act(i, done(i))).collect();
    assert_eq!(fold(run, &acts, Voice::default()).next.unwrap().pass, run.passes[3]);
    acts.push(act(3, done(2)));
    assert_eq!(fold(run, &acts, Voice::default()).passes_done, 3, "the same pass told by two tablets counts once");
    acts.push(act(4, ActKind::Undone { act: "a3".into() }));
    acts.push(act(5, ActKind::Undone { act: "a2".into() }));
    assert_eq!(fold(run, &acts, Voice::default()).next.unwrap().pass, run.passes[2]);
    // A missed tick: the dial is told to stand at pass 6, and the next is pass 7.
    let scale = 25.4;
    let reading = run.passes[6].radial_mm * run.dial.reading_per_radial / scale;
    acts.push(act(6, ActKind::StandsAt { reading }));
    assert_eq!(fold(run, &acts, Voice::default()).next.unwrap().pass.n, run.passes[7].n);
    // Over size after the last pass: one more setting, then in limits.
    let last = run.passes.len() - 1;
    acts.push(act(7, done(last)));
    let measured = |e: f64| ActKind::Measured(Measured { pitch_diameter_mm: Some(e), ..Measured::default() });
    acts.push(act(8, measured(run.limits_mm[1] + 0.06)));
    let state = fold(run, &acts, Voice::default());
    let next = state.next.expect("more to take");
    assert!(next.pass.radial_mm > run.passes[last].radial_mm && !state.finished);
    acts.push(act(9, ActKind::PassDone { n: next.pass.n, radial_mm: next.pass.radial_mm }));
    acts.push(act(10, measured(run.target_mm)));
    let state = fold(run, &acts, Voice::default());
    assert!(state.finished && state.next.is_none());
    // A reading a turn of the micrometer out is questioned, and nothing deeper is offered.
    acts.push(act(11, ActKind::Undone { act: "a10".into() }));
    acts.push(act(12, measured(run.target_mm + 0.635)));
    let state = fold(run, &acts, Voice::default());
    assert!(state.next.is_none() && !state.verdict.unwrap().questions.is_empty());
}

#[test]
fn a_mid_schedule_reading_replans_the_rest() {
    let plan = sound(json!({"thread": {"callout": "7/8-9 UNC-2A"}}));
    let run = &plan.run;
    let half = run.passes.len() / 2;
    let stood = run.passes[half].radial_mm;
    let acts = vec![
        act(0, ActKind::PassDone { n: run.passes[half].n, radial_mm: stood }),
        act(1, ActKind::Measured(Measured { pitch_diameter_mm: Some(run.target_mm + 0.8), ..Measured::default() })),
    ];
    let state = fold(run, &acts, Voice::default());
    let depths: Vec<f64> = state.schedule.iter().map(|s| s.pass.radial_mm).collect();
    assert!(depths.windows(2).all(|w| w[1] > w[0]), "{depths:?}");
    let last = depths.last().unwrap();
    // Half the excess on each side, and a little for what springs away; never so that it would come past the limit if nothing did.
    assert!((last - (stood + 0.4)).abs() < 0.04, "{last} from {stood}");
    let most = stood + (run.target_mm + 0.8 - run.limits_mm[0]) / 2.0;
    assert!(depths.iter().all(|d| *d <= most + 1e-9), "{depths:?} {most}");
    assert!(real(&Ratio::new(1, 2)) > 0.0);
}

/// A line for every leaf but the drawings' points, which are derived from the rest.
fn flatten(node: &Value, at: &str, lines: &mut Vec<String>) {
    match node {
        Value::Object(map) => map.iter().filter(|(k, _)| *k != "shapes").for_each(|(k, v)| flatten(v, &format!("{at}/{k}"), lines)),
        Value::Array(list) => list.iter().enumerate().for_each(|(i, v)| flatten(v, &format!("{at}/{i:03}"), lines)),
        leaf => lines.push(format!("{at} {leaf}")),
    }
}

#[test]
fn the_demo_jobs_plan_to_what_they_planned() {
    for (name, request) in [
        ("tie_rod", json!({"thread": {"callout": "M20x2.5-6g", "length_mm": 60}, "blank": {"shoulder": true}})),
        ("cap", json!({"thread": {"callout": "M36x1.5-6H", "length_mm": 18}, "blank": {"shoulder": true, "material": "brass"}})),
    ] {
        let mut lines = Vec::new();
        flatten(&serde_json::to_value(sound(request)).unwrap(), "", &mut lines);
        lines.sort();
        insta::assert_snapshot!(name, lines.join("\n"));
    }
}
