//! What a test piece found, for its part; work put back in the lathe; a pass that ran past its mark.

use serde_json::{Value, json};
use yoke_core::batch::{Correction, corrections};
use yoke_core::faults::read_json;
use yoke_core::gauge::{FlankFound, Measured};
use yoke_core::job::PlanRequest;
use yoke_core::log::{Act, ActKind, Back, RunState, fold};
use yoke_core::plan::Plan;
use yoke_core::voice::Voice;
use yoke_trials::{SinglePoint, demo_lathe, patched, sound};

fn stud() -> Value {
    json!({"thread": {"callout": "M20x2.5-6g", "length_mm": 40}, "lathe": demo_lathe(1), "bit": {"included_angle_deg": 60, "tip_flat_mm": 0.31},
        "blank": {"diameter_mm": 19.85, "shoulder": true, "relief_width_mm": 8.0}, "setup": {"spindle_rpm": 30, "reaction_s": 0.5}})
}

fn acted(plan: &Plan, acts: Vec<ActKind>) -> RunState {
    let acts: Vec<Act> = acts.into_iter().enumerate().map(|(i, kind)| Act { id: i.to_string(), kind }).collect();
    fold(&plan.run, &acts, Voice::default())
}

fn cut(plan: &Plan) -> Vec<ActKind> {
    plan.run.passes.iter().map(|p| ActKind::PassDone { n: p.n, radial_mm: p.radial_mm }).collect()
}

fn asked(request: &Value) -> PlanRequest {
    let (read, faults) = read_json(request.clone());
    assert!(faults.is_empty(), "{faults:?}");
    read
}

fn found([part, test]: [&Value; 2], run: &RunState) -> Vec<Correction> {
    let plan = sound(test.clone());
    corrections([&asked(part), &asked(test)], &plan.point(), run, Voice::default())
}

#[test]
fn what_a_test_piece_found_comes_back_one_by_one_and_once() {
    let mut part = stud();
    let mut test = stud();
    test["blank"]["chamfer_mm"] = json!(16.0);
    let plan = sound(test.clone());
    let size = plan.run.target_mm + 0.04;
    let read = ActKind::Measured(Measured { pitch_diameter_mm: Some(size), ..Measured::default() });
    let mut run = acted(&plan, [cut(&plan), vec![ActKind::Overran { past_mm: 1.25 }, read]].concat());
    // One reading leaves the spring as guessed, and a guess is not handed on.
    assert!(!found([&part, &test], &run).iter().any(|c| c.code == "spring"));
    if let Some(tip) = &mut run.tip {
        tip.spring_doubt = 0.05;
    }
    run.flank = Some(FlankFound { half_angle_deg: 29.48, doubt_deg: 0.2, feels_mm: 0.03, says: String::new() });
    let all = found([&part, &test], &run);
    let codes: Vec<_> = all.iter().map(|c| c.code).collect();
    assert_eq!(codes, ["tip", "spring", "angle", "reaction", "relief", "chamfer_mm"]);
    // 2.5 mm a turn at 30 rpm is 1.25 mm a second: 1.25 past the mark is a second more.
    assert_eq!(all[3].change, json!({"setup": {"reaction_s": 1.5}}), "{}", all[3].says);
    assert_eq!(all[2].change, json!({"bit": {"included_angle_deg": 59.0}}));
    let tip = run.tip.as_ref().unwrap();
    let between = all[0].change.pointer("/bit/tip_flat_between_mm").unwrap();
    let [low, high] = [0, 1].map(|i| between[i].as_f64().unwrap());
    assert!(low <= tip.flat_mm && tip.flat_mm <= high && high - low < 2.0 * tip.doubt_mm + 0.03, "{between} {tip:?}");
    assert_eq!(all[4].change, json!({"blank": {"relief_width_mm": 9.3}}), "8 and 1.25, to the rule");
    assert!(all[5].says.contains("16.000 mm on the test piece, not told on the part"), "{}", all[5].says);
    // Each taken over is not offered again, and the part then stands to it.
    for (n, c) in all.iter().enumerate() {
        patched(&mut part, &c.change);
        let left = found([&part, &test], &run);
        assert_eq!(left.iter().map(|c| c.code).collect::<Vec<_>>(), codes[n + 1..], "after {}", c.code);
    }
    // The tip is a range now, as found: what was told of it as measured is gone.
    let taken = sound(part);
    assert!(taken.point().setup.reaction_s > 1.49 && (taken.run.tip_doubt_mm > 0.0));
    // Nothing read and nothing told otherwise: nothing to take over.
    assert!(found([&stud(), &stud()], &acted(&sound(stud()), vec![])).is_empty());
}

#[test]
fn work_put_back_says_what_its_swing_does_and_a_pass_past_its_mark_what_to_do() {
    let plan = sound(stud());
    let back = |back: Option<Back>, swing_mm: Option<f64>| {
        let run = acted(&plan, [cut(&plan)[..2].to_vec(), vec![ActKind::Rechucked { back, swing_mm }]].concat());
        run.pick_up.join(" ")
    };
    // A tenth of 0.170 is 0.017.
    assert!(back(Some(Back::PartedOff), Some(0.06)).contains("half of that, 0.030 mm, is too deep on one side"), "{}", back(Some(Back::PartedOff), Some(0.06)));
    assert!(back(Some(Back::PartedOff), Some(0.06)).contains("under 0.017 mm"));
    assert!(back(Some(Back::PartedOff), None).contains("Parted off") && back(None, None).contains("Read the run-out first"));
    assert!(back(Some(Back::GrippedAnew), Some(0.01)).contains("nothing this thread feels"));
    assert!(back(Some(Back::SameSlot), Some(0.06)).contains("without cutting"));
    let past = |more: Vec<ActKind>| acted(&plan, [cut(&plan)[..2].to_vec(), vec![ActKind::Overran { past_mm: 0.6 }], more].concat()).says;
    assert!(past(vec![]).starts_with("It ran 0.6 mm past its mark"), "{}", past(vec![]));
    assert!(!past(cut(&plan)[2..3].to_vec()).contains("past its mark"));
}
