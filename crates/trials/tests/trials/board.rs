//! What the board says comes next: by the run once it is begun, before that by what stands in the way.

use serde_json::{Value, json};
use yoke_core::gauge::Measured;
use yoke_core::log::{Act, ActKind, fold};
use yoke_core::plan::{Plan, plan};
use yoke_core::sheets::on_board;
use yoke_core::voice::Voice;
use yoke_trials::{SinglePoint, demo_lathe, settled};

fn planned(request: Value) -> Plan {
    let (job, lathe, kit) = settled(request).unwrap();
    plan(&job, &lathe, &kit)
}

fn next(plan: &Plan, kinds: Vec<ActKind>) -> String {
    let acts: Vec<Act> = kinds.into_iter().enumerate().map(|(i, kind)| Act { id: format!("a{i}"), kind }).collect();
    on_board(plan, &fold(&plan.run, &acts, Voice::default())).next
}

#[test]
fn before_it_is_begun_what_stands_in_the_way_comes_next() {
    let mut lathe = demo_lathe(0);
    let rod = json!({"thread": {"callout": "M20x2.5-6g"}, "bit": {"tip_flat_mm": 0.3}});
    let with = |lathe: &Value| {
        let mut request = rod.clone();
        request["lathe"] = lathe.clone();
        planned(request)
    };
    let hung = with(&lathe).point().gears.hung.clone().unwrap().train;
    let teeth = |list: &[u16]| list.iter().map(u16::to_string).collect::<Vec<_>>().join("·");
    lathe["mounted"] = json!({"drivers": [20], "driven": [60]});
    assert!(next(&with(&lathe), vec![]).starts_with("hang "));
    lathe["mounted"] = json!({"drivers": hung.drivers, "driven": hung.driven});
    let on = with(&lathe);
    let said = next(&on, vec![]);
    let bad = on.check.lines.iter().filter(|l| l.state == yoke_core::plan::State::Bad).count();
    assert_eq!(
        said,
        if bad == 0 { "ready to cut".to_owned() } else { format!("{bad} thing{} to put right", if bad == 1 { "" } else { "s" }) },
        "{}",
        teeth(&hung.drivers)
    );
    // The second of a pair waits for the first.
    let screw = planned(json!({"thread": {"callout": "1-1/4-5 Acme LH"}, "mate": {}, "lathe": demo_lathe(0)}));
    if screw.pair.as_ref().unwrap().first == Some(false) {
        assert_eq!(next(&screw, vec![]), "nut first");
    }
    let nut = planned(json!({"thread": {"callout": "1-1/4-5 Acme LH", "side": "internal"}, "mate": {"school": "external_first"}, "lathe": demo_lathe(0)}));
    assert_eq!(next(&nut, vec![]), "screw first");
}

#[test]
fn once_it_is_begun_the_run_says_what_comes_next() {
    let plan = planned(json!({"thread": {"callout": "M20x2.5-6g"}, "bit": {"tip_flat_mm": 0.3}, "lathe": demo_lathe(0)}));
    let cut = |n: usize| plan.run.passes[..n].iter().map(|p| ActKind::PassDone { n: p.n, radial_mm: p.radial_mm }).collect::<Vec<_>>();
    assert_eq!(next(&plan, cut(1)), "cut pass 1");
    let all = plan.run.passes.len();
    assert_eq!(next(&plan, cut(all)), "measure now");
    let ended = |act: ActKind| {
        let mut acts = cut(all);
        acts.push(act);
        next(&plan, acts)
    };
    let read = |mm: f64| ActKind::Measured(Measured { pitch_diameter_mm: Some(mm), ..Measured::default() });
    assert_eq!(ended(read(plan.run.target_mm)), "done");
    assert!(ended(read(plan.run.limits_mm[1] + 0.1)).starts_with("cut pass"));
    assert_eq!(ended(ActKind::Scrapped { why: "dug in".into() }), "scrapped");
    assert_eq!(ended(ActKind::Stopped {}), "go on after the stop");
    // A sketch of its own thread: as many pitches long as its section, as high as its basic depth.
    let sketch = on_board(&plan, &fold(&plan.run, &[], Voice::default())).sketch;
    let high = sketch.line.iter().map(|p| p[1]).fold(0.0, f64::max);
    assert!(!sketch.inside && (high - 0.5413).abs() < 2e-3, "{high}");
}
