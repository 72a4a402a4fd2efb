//! Trouble: every rule fires on a job built to have it, and none on a sound one; causes are ranked by the job's own numbers.

use serde_json::{Value, json};
use yoke_core::faults::read_json;
use yoke_core::gauge::{Measured, ReadAt};
use yoke_core::job::settle;
use yoke_core::log::{Act, ActKind, BitChange, fold};
use yoke_core::plan::plan as reckon;
use yoke_core::run::Symptom;
use yoke_core::thread::{Fit, Touched};
use yoke_core::trouble::rules::RULES;
use yoke_core::trouble::{EvidenceState, JobEvidence, TroubleSheet, trouble_sheet};
use yoke_core::voice::Voice;
use yoke_trials::{SinglePoint, demo_lathe, tried};

/// The sheet of a job with its passes cut (when anything follows) and then these acts.
fn sheet(request: Value, then: &dyn Fn(&yoke_core::run::RunPlan) -> Vec<ActKind>) -> TroubleSheet {
    let (asked, faults) = read_json(request.clone());
    let (job, lathe, kit) = settle(&asked, None, faults).unwrap_or_else(|f| panic!("{f:?} in {request}"));
    let plan = reckon(&job, &lathe, &kit);
    let after = then(&plan.run);
    let begun = !after.is_empty();
    let cut = plan.run.passes.iter().filter(|_| begun).map(|p| ActKind::PassDone { n: p.n, radial_mm: p.radial_mm });
    let acts: Vec<Act> = cut.chain(after).enumerate().map(|(i, kind)| Act { id: i.to_string(), kind }).collect();
    let run = fold(&plan.run, &acts, Voice::default());
    trouble_sheet(&JobEvidence::of((plan.point(), &job, &lathe), Some(&run), &acts))
}

fn stud(mut more: Value) -> Value {
    let mut request = json!({
        "thread": {"callout": "M20x2.5-6g", "length_mm": 40},
        "lathe": demo_lathe(0),
        "blank": {"diameter_mm": 19.8},
        "bit": {"included_angle_deg": 60, "tip_flat_mm": 0.32, "leading_relief_deg": 14, "trailing_relief_deg": 10, "height_mm": 0.02},
        "setup": {"backlash_mm": 0.4}
    });
    for (section, fields) in more.as_object_mut().unwrap() {
        match (request[section].as_object_mut(), fields.as_object()) {
            (Some(of), Some(by)) if section != "lathe" => of.extend(by.clone()),
            _ => request[section] = fields.take(),
        }
    }
    request
}

fn read(mm: f64) -> ActKind {
    ActKind::Measured(Measured { pitch_diameter_mm: Some(mm), ..Measured::default() })
}

fn middle(run: &yoke_core::run::RunPlan) -> f64 {
    f64::midpoint(run.limits_mm[0], run.limits_mm[1])
}

fn only_forward() -> Value {
    let mut lathe = demo_lathe(0);
    lathe["spindle"]["reverses"] = json!(false);
    lathe
}

type Then = Box<dyn Fn(&yoke_core::run::RunPlan) -> Vec<ActKind>>;

/// The mate tried, and what it met before the threads did.
fn met(fit: Fit, by: Touched) -> ActKind {
    match tried(fit) {
        ActKind::Tried { fit, turns, shake_mm, stands_off_mm, .. } => ActKind::Tried { fit, turns, shake_mm, stands_off_mm, touched: Some(by) },
        other => other,
    }
}

/// For every rule a job built to have just that trouble.
fn built() -> Vec<(&'static str, Value, Then)> {
    let none = || -> Then { Box::new(|_| Vec::new()) };
    let in_limits_and = |fit: Fit| -> Then { Box::new(move |run| vec![read(middle(run)), tried(fit)]) };
    let tapered = |along: f64, around: f64| -> Then {
        Box::new(move |run| {
            let places = vec![ReadAt { mm: middle(run) + 0.08, along_mm: along, around_deg: around }];
            vec![ActKind::Measured(Measured { pitch_diameter_mm: Some(middle(run) - 0.01), places, ..Measured::default() })]
        })
    };
    let one = |kind: fn() -> ActKind| -> Then { Box::new(move |_| vec![kind()]) };
    let coarse_train = json!({"drivers": [40], "driven": [100]});
    vec![
        ("metal_left", stud(json!({})), Box::new(|run: &yoke_core::run::RunPlan| vec![read(run.limits_mm[1] + 0.08)]) as Then),
        ("burr", stud(json!({})), in_limits_and(Fit::WontEnter)),
        ("crests", stud(json!({"blank": {"diameter_mm": 20.3}})), none()),
        ("flank_angle", stud(json!({"bit": {"included_angle_deg": 63}})), none()),
        ("lead_error", stud(json!({"gears": {"hang": coarse_train}})), none()),
        ("root_shallow", stud(json!({"bit": {"tip_flat_mm": 0.9}})), none()),
        ("entrance", stud(json!({"blank": {"chamfer_mm": 19.0}})), none()),
        ("wrong_hand", json!({"thread": {"callout": "M16x2-6g LH"}, "lathe": only_forward(), "setup": {"way": "toward"}}), none()),
        ("other_mate", stud(json!({"mate": {"made_pitch_diameter_mm": 18.2, "school": "limits"}})), none()),
        ("past_limit", stud(json!({})), Box::new(|run| vec![read(run.limits_mm[0] - 0.05)])),
        ("off_centre", stud(json!({"bit": {"height_mm": 0.9}})), none()),
        ("rubs", stud(json!({"bit": {"leading_relief_deg": 2}})), none()),
        ("dull", stud(json!({"bit": {"owned": "no such bit"}})), none()),
        ("too_fast", stud(json!({"setup": {"spindle_rpm": 900}})), none()),
        ("both_flanks", stud(json!({"cut": {"style": "radial"}})), none()),
        ("lean", stud(json!({"cut": {"style": "flank", "compound_angle_deg": 33}})), none()),
        ("slender", stud(json!({"thread": {"callout": "M20x2.5-6g", "length_mm": 140}})), none()),
        ("tailstock", stud(json!({"blank": {"support": "centre", "diameter_mm": 19.8}})), tapered(40.0, 0.0)),
        ("bends", stud(json!({})), tapered(40.0, 0.0)),
        ("round", stud(json!({})), tapered(0.0, 90.0)),
        (
            "spring",
            stud(json!({})),
            Box::new(|run| {
                // A lathe on which half of every cut springs away, read after each of five.
                let deep = run.passes.last().unwrap().radial_mm;
                let (mut left, mut stood, mut acts) = (0.06, deep, Vec::new());
                for more in [0.0, 0.12, 0.10, 0.15, 0.0] {
                    left = 0.5 * (more + left);
                    stood += more;
                    acts.push(ActKind::PassDone { n: 90, radial_mm: stood });
                    acts.push(read(run.size_at(stood - left - run.tip_to_pitch_mm + 0.05)));
                }
                acts
            }),
        ),
        ("held_off", stud(json!({})), Box::new(|_| vec![met(Fit::Enters { turns: 6.0 }, Touched::Jaws)])),
        ("wrong_mark", stud(json!({})), one(|| ActKind::Lost {})),
        ("opened", stud(json!({})), one(|| ActKind::Lost {})),
        (
            "dial_drift",
            json!({"thread": {"callout": "1-8"}, "lathe": demo_lathe(0), "gears": {"hang": {"drivers": [64], "driven": [127]}}, "cut": {"passes": 10}}),
            none(),
        ),
        ("play", stud(json!({"setup": {"backlash_mm": 6.0}})), none()),
        ("starts", json!({"thread": {"callout": "M20x2.5-6g", "starts": 11}, "lathe": demo_lathe(2)}), none()),
        ("rechucked", stud(json!({})), one(|| ActKind::Rechucked { back: None, swing_mm: None })),
        ("gears_on", stud(json!({})), none()),
        ("misfit", stud(json!({})), Box::new(|_| vec![ActKind::Ticked { step: "pitch".into(), stamp: "x".into(), noted: Some("16.13 mm".into()) }])),
        ("first_thread", stud(json!({})), in_limits_and(Fit::Enters { turns: 1.5 })),
        (
            "packed",
            json!({"thread": {"callout": "M36x1.5-6H", "length_mm": 18}, "lathe": demo_lathe(1), "blank": {"shoulder": true}}),
            Box::new(|_| vec![tried(Fit::Enters { turns: 10.0 })]),
        ),
        ("stops_late", stud(json!({"setup": {"runout_mm": 0.4, "spindle_rpm": 200}})), none()),
        ("relief", stud(json!({"blank": {"shoulder": true, "relief_width_mm": 1.5, "relief_diameter_mm": 18.5}})), none()),
        ("grip", stud(json!({"blank": {"holding": "by_its_thread"}})), none()),
        ("unscrews", json!({"thread": {"callout": "M16x2-6g"}, "lathe": demo_lathe(2), "setup": {"way": "away"}}), none()),
        ("too_deep", stud(json!({"cut": {"passes": 2}})), none()),
        (
            "reversed",
            stud(
                json!({"kit": {"bits": [{"name": "tipped", "kind": "external", "material": "carbide", "included_angle_deg": 60}]}, "bit": {"owned": "tipped"}, "setup": {"ending": "closed"}}),
            ),
            none(),
        ),
        ("weak_tip", stud(json!({"bit": {"tip_flat_mm": 0.05}})), none()),
        ("broke", stud(json!({})), one(|| ActKind::BitChanged { why: BitChange::Broke, tip_flat_mm: None, tip_radius_mm: None })),
        ("wrong_wires", stud(json!({})), Box::new(|run| vec![read(middle(run) + 1.1)])),
        ("no_proof", json!({"thread": {"callout": "M36x1.5-6H"}, "lathe": demo_lathe(1), "gauge": {"mate_at_hand": false}}), none()),
    ]
}

#[test]
fn every_rule_fires_on_a_job_built_to_have_that_trouble() {
    let built = built();
    let mut quiet = Vec::new();
    for rule in RULES {
        let (_, request, then) = built.iter().find(|b| b.0 == rule.code).unwrap_or_else(|| panic!("no job was built for {}", rule.code));
        let sheet = sheet(request.clone(), then);
        let cause = sheet.causes.iter().find(|c| c.code == rule.code).unwrap();
        if cause.standing != EvidenceState::Shown {
            quiet.push((rule.code, cause.why.clone()));
            continue;
        }
        assert!(sheet.shown.contains(&rule.code) && !cause.why.is_empty(), "{}", rule.code);
        // Under every symptom it answers to, nothing the numbers do not show stands before it.
        for (symptom, _) in rule.of {
            let list = &sheet.symptoms.iter().find(|s| s.symptom == *symptom).unwrap().causes;
            let before = list.iter().take_while(|c| **c != rule.code);
            for code in before {
                assert_eq!(sheet.causes.iter().find(|c| c.code == *code).unwrap().standing, EvidenceState::Shown, "{code} before {}", rule.code);
            }
        }
    }
    assert!(quiet.is_empty(), "{quiet:#?}");
}

#[test]
fn no_trouble_is_named_on_a_sound_job() {
    let mounted = |mut lathe: Value, drivers: Value, driven: Value| {
        lathe["mounted"] = json!({"drivers": drivers, "driven": driven});
        lathe
    };
    let sound: Vec<(Value, Then)> = vec![
        (stud(json!({"lathe": mounted(demo_lathe(0), json!([40, 60]), json!([48, 127]))})), Box::new(|_| Vec::new())),
        (stud(json!({"lathe": mounted(demo_lathe(0), json!([40, 60]), json!([48, 127]))})), Box::new(|run| vec![read(middle(run)), tried(Fit::Free)])),
    ];
    for (mut request, then) in sound {
        // Whatever train it hangs is the one on the lathe.
        let (asked, faults) = read_json(request.clone());
        let (job, lathe, kit) = settle(&asked, None, faults).unwrap();
        let hung = reckon(&job, &lathe, &kit).point().gears.hung.clone().unwrap().train;
        request["lathe"]["mounted"] = json!({"drivers": hung.drivers, "driven": hung.driven});
        let sheet = sheet(request, &then);
        let said: Vec<_> = sheet.shown.iter().map(|c| sheet.causes.iter().find(|s| s.code == *c).map(|s| (c, s.why.clone()))).collect();
        assert!(sheet.shown.is_empty(), "{said:?}");
        // Every symptom has its causes all the same, each with a check and a cure.
        assert!(sheet.symptoms.len() == 16 && sheet.symptoms.iter().all(|s| !s.causes.is_empty()));
        assert!(sheet.causes.iter().all(|c| !c.settles.is_empty() && !c.cure.is_empty() && !c.cure.contains('{')));
        assert!(sheet.rescues.iter().all(|r| r.steps.len() >= 3));
    }
}

/// Jobs of every form on every lathe of the yard: where the check is green and the right train is on, nothing is named.
#[test]
fn where_the_check_is_green_nothing_is_named() {
    let mut green = 0;
    for callout in ["M20x2.5-6g", "M12", "7/8-9 UNC-2A", "5/8 BSW", "M36x1.5-6H", "1-8 UNC-2B", "Tr28x5-7e", "1-1/4-5 Acme", "G1-1/4", "2BA", "M16x2-6g LH"] {
        for lathe in 0..3 {
            let ask = |mounted: Value| {
                let mut of = demo_lathe(lathe);
                if !mounted.is_null() {
                    of["mounted"] = mounted;
                }
                json!({"thread": {"callout": callout, "length_mm": 20}, "lathe": of, "gauge": {"mate_at_hand": true}})
            };
            let whole = |request: Value| {
                let (asked, faults) = read_json(request);
                let (job, lathe, kit) = settle(&asked, None, faults).unwrap();
                (reckon(&job, &lathe, &kit), job, lathe)
            };
            let (first, ..) = whole(ask(Value::Null));
            let Some(hung) = first.point().gears.hung.clone().map(|h| h.train) else { continue };
            let (plan, job, lathe) = whole(ask(json!({"drivers": hung.drivers, "driven": hung.driven})));
            if !plan.check.ready {
                continue;
            }
            green += 1;
            let sheet = trouble_sheet(&JobEvidence::of((plan.point(), &job, &lathe), None, &[]));
            let said: Vec<_> = sheet.causes.iter().filter(|c| c.standing == EvidenceState::Shown).map(|c| (c.code, &c.why)).collect();
            assert!(said.is_empty(), "{callout} on {}: {said:?}", lathe.name);
        }
    }
    assert!(green >= 10, "too few of them are sound to tell: {green}");
}

#[test]
fn a_cause_found_stands_first_and_one_ruled_out_last() {
    let told = |cause: &str, found: bool| ActKind::Trouble { symptom: Symptom::WontStart, cause: cause.into(), found };
    let order = |acts: Vec<ActKind>| {
        let sheet = sheet(stud(json!({})), &move |_| acts.clone());
        let list = sheet.symptoms.iter().find(|s| s.symptom == Symptom::WontStart).unwrap().causes.clone();
        (list, sheet.told)
    };
    let (plain, _) = order(vec![ActKind::Note { text: "as it is".into() }]);
    assert_eq!(plain[..2], ["held_off", "metal_left"], "what met first is asked first, then, with nothing read, the commonest: {plain:?}");
    let (found, told_of) = order(vec![told("metal_left", false), told("entrance", true)]);
    assert_eq!((found[0], found.last().copied(), told_of), ("entrance", Some("metal_left"), Some(Symptom::WontStart)));
    assert!(
        yoke_core::trouble::check_act(&ActKind::Trouble { symptom: Symptom::Loose, cause: "ghosts".into(), found: true }, Voice::default()).unwrap_err()[0]
            .1
            .contains("ghosts")
    );
    let mut codes: Vec<_> = RULES.iter().map(|r| r.code).collect();
    codes.sort_unstable();
    assert!(codes.windows(2).all(|w| w[0] != w[1]) && Symptom::ALL.iter().all(|s| RULES.iter().any(|r| r.of.iter().any(|(of, _)| of == s))));
}
