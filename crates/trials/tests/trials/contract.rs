//! The names that stay put: the request as documented is taken, and every name of the answer is there.

use serde_json::{Value, json};
use yoke_trials::{reckon, sound};

fn documented() -> Value {
    json!({
        "thread": {"callout": "M20x2.5-6g LH", "side": "external", "hand": "left", "starts": 1, "class": "6g", "length_mm": 60, "engagement_mm": 20},
        "blank": {"diameter_mm": 19.9, "shoulder": true, "relief_width_mm": 4, "material": "mild_steel"},
        "lathe": {"leadscrew": {"tpi": 4}, "gears": [24, 28, 127], "gearbox": [{"name": "direct", "ratio": "1/1"}], "fixed_ratio": "1/1",
                  "mounted": {"drivers": [40], "driven": [80]}, "max_compounds": 1, "dial": {"teeth": 16, "marks": 8}},
        "gears": {"hang": {"drivers": [40, 60], "driven": [48, 127], "gearbox": "direct"}, "limit": 40},
        "bit": {"included_angle_deg": 60, "tip_flat_mm": 0.3},
        "setup": {"way": "auto", "ending": "auto", "runout_mm": null, "reaction_s": 0.5, "spindle_rpm": null},
        "cut": {"style": "modified_flank", "compound_angle_deg": 29.5, "target_pitch_diameter_mm": 18.25, "passes": 12, "spring_passes": 2},
        "gauge": {"wires_mm": [1.35, 1.45, 1.6], "lead_correction": "auto"}
    })
}

/// A number, bare or under `value`.
fn number(plan: &Value, pointer: &str) -> f64 {
    let node = plan.pointer(pointer).unwrap_or_else(|| panic!("{pointer} is missing"));
    node.as_f64().or_else(|| node["value"].as_f64()).unwrap_or_else(|| panic!("{pointer} is no number: {node}"))
}

#[test]
fn the_documented_request_gives_the_documented_names() {
    let plan = serde_json::to_value(sound(documented())).unwrap();
    for pointer in [
        "/thread/pitch_mm",
        "/thread/lead_mm",
        "/thread/starts",
        "/thread/half_angle_deg",
        "/thread/external/major_mm/min",
        "/thread/external/major_mm/max",
        "/thread/external/pitch_mm/min",
        "/thread/external/pitch_mm/max",
        "/thread/external/minor_mm/max",
        "/thread/internal/minor_mm/min",
        "/thread/internal/minor_mm/max",
        "/thread/internal/pitch_mm/min",
        "/thread/internal/pitch_mm/max",
        "/thread/internal/major_mm/min",
        "/thread/lead_angle_deg/major",
        "/thread/lead_angle_deg/pitch",
        "/thread/lead_angle_deg/minor",
        "/gears/trains_total",
        "/gears/trains/0/lead_mm",
        "/gears/trains/0/error_ppm",
        "/gears/trains/0/swaps",
        "/bit/leading_relief_deg",
        "/bit/trailing_relief_deg",
        "/bit/tip_flat_mm/min",
        "/bit/tip_flat_mm/max",
        "/bit/tip_flat_mm/aim",
        "/setup/speed_rpm",
        "/cut/radial_mm",
        "/cut/compound_mm",
        "/cut/passes/0/n",
        "/cut/passes/0/asked_radial_mm",
        "/cut/passes/0/radial_mm",
        "/cut/passes/0/compound_mm",
        "/cut/passes/0/pitch_diameter_mm",
        "/cut/passes/0/dial/0/turns",
        "/cut/passes/0/dial/0/divisions",
        "/gauge/wire_mm",
        "/gauge/best_mm",
        "/gauge/usable_mm/min",
        "/gauge/usable_mm/max",
        "/gauge/over_wires_mm/min",
        "/gauge/over_wires_mm/max",
        "/gauge/over_wires_mm/target",
        "/gauge/formulas/simple",
        "/gauge/formulas/approximate",
    ] {
        assert!(number(&plan, pointer).is_finite(), "{pointer}");
    }
    for (pointer, wanted) in [
        ("/thread/form", json!("iso_metric")),
        ("/thread/hand", json!("left")),
        ("/gears/required_ratio", json!("50/127")),
        ("/gears/hung/train/drivers", json!([40, 60])),
        ("/gears/hung/train/driven", json!([48, 127])),
        ("/gears/hung/train/fits", json!(null)),
        ("/gears/hung/train/fit_basis", json!("bench_rule")),
        ("/gears/dial/rule", json!("keep_closed")),
        ("/setup/spindle", json!("forward")),
        ("/setup/carriage", json!("away_from_headstock")),
        ("/setup/hand_cut", json!("left")),
        ("/setup/speed_limit", json!("hand")),
        ("/cut/passes/0/over_wires_mm", json!(null)),
        ("/cut/passes/3/dial/0/slide", json!("compound")),
        ("/cut/passes/3/dial/0/unit", json!("in")),
    ] {
        assert_eq!(plan.pointer(pointer), Some(&wanted), "{pointer}");
    }
    assert_eq!(plan["cut"]["passes"].as_array().unwrap().len(), 15, "the scratch, twelve cuts, two springs");
    assert!((number(&plan, "/cut/passes/12/asked_radial_mm") - number(&plan, "/cut/radial_mm")).abs() < 1e-9);
    // The law as documented: x_k of constant area.
    let (f, t) = (0.3, 30_f64.to_radians().tan());
    let x = number(&plan, "/cut/radial_mm");
    let area = f * x + x * x * t;
    for k in 1..=12 {
        let depth = ((f * f + 4.0 * t * f64::from(k) / 12.0 * area).sqrt() - f) / (2.0 * t);
        assert!((number(&plan, &format!("/cut/passes/{k}/asked_radial_mm")) - depth).abs() < 1e-7, "pass {k}");
    }
}

#[test]
fn each_field_alone_may_be_left_out() {
    for section in ["blank", "lathe", "gears", "bit", "setup", "cut", "gauge"] {
        let mut request = documented();
        request.as_object_mut().unwrap().remove(section);
        // The train hung is of no lathe's drawer then, which is a warning and not a fault.
        assert!(reckon(request).is_ok(), "without {section}");
        let fields: Vec<String> = documented()[section].as_object().unwrap().keys().cloned().collect();
        for field in fields {
            let mut request = documented();
            request[section].as_object_mut().unwrap().remove(&field);
            assert!(reckon(request).is_ok(), "without {section}.{field}");
        }
    }
    let faults = reckon(json!({})).unwrap_err();
    assert_eq!((faults.len(), faults[0].pointer.as_str()), (1, "/thread/callout"));
}

#[test]
fn past_a_bound_is_refused_naming_it() {
    let cases = [
        ("/thread/starts", json!(13), "1 to 12"),
        ("/thread/starts", json!(0), "1 to 12"),
        ("/thread/length_mm", json!(-5), "0.5 to 5000"),
        ("/thread/engagement_mm", json!(1e9), "5000"),
        ("/blank/diameter_mm", json!(200), "for this thread"),
        ("/blank/material", json!("cheese"), "mild_steel"),
        ("/lathe/gears", json!([24, 28, 4]), "5 to 400"),
        ("/lathe/gears", json!([24]), "2 to 120"),
        ("/lathe/fixed_ratio", json!("0/1"), "over 0"),
        ("/lathe/leadscrew/tpi", json!(10000), "0.05 to 100"),
        ("/lathe/max_compounds", json!(3), "0 to 2"),
        ("/gears/limit", json!(0), "1 to 200"),
        ("/gears/hang/gearbox", json!("Z 9"), "direct"),
        ("/gears/hang/driven", json!([48]), "as many"),
        ("/bit/included_angle_deg", json!(29), "60°"),
        ("/bit/tip_flat_mm", json!(-0.1), "for this pitch"),
        ("/setup/reaction_s", json!(60), "0.05 to 5"),
        ("/setup/spindle_rpm", json!(0), "1 to 20000"),
        ("/cut/passes", json!(201), "1 to 200"),
        ("/cut/spring_passes", json!(-1), "0 to 20"),
        ("/cut/compound_angle_deg", json!(75), "0 to 60"),
        ("/cut/target_pitch_diameter_mm", json!(2), "for this thread"),
        ("/cut/style", json!("sideways"), "radial"),
        ("/gauge/wires_mm", json!([1.45, 1e6]), "0.05 to 100"),
        ("/setup/way", json!(7), ""),
    ];
    for (pointer, value, part) in cases {
        let mut request = documented();
        *request.pointer_mut(pointer).unwrap() = value.clone();
        let faults = reckon(request).unwrap_err();
        let at_or_near = |p: &str| p.starts_with(pointer) || pointer.starts_with(p);
        assert!(faults.iter().any(|f| at_or_near(&f.pointer) && f.detail.contains(part)), "{pointer} {value}: {faults:?}");
        assert_eq!(faults.len(), 1, "{pointer} {value} is one fault: {faults:?}");
    }
    let mut both = documented();
    both["bit"]["tip_radius_mm"] = json!(0.2);
    assert_eq!(reckon(both).unwrap_err()[0].pointer, "/bit/tip_radius_mm");
    let mut many = documented();
    many["lathe"]["gears"] = json!(vec![40; 121]);
    assert!(reckon(many).unwrap_err()[0].detail.contains("120"));
    let mut unknown = documented();
    unknown["cut"]["speed"] = json!(1);
    assert_eq!(reckon(unknown).unwrap_err()[0].pointer, "/cut/speed");
}

#[test]
fn the_same_request_gives_the_same_plan_to_the_byte() {
    let text = || serde_json::to_string(&sound(documented())).unwrap();
    assert_eq!(text(), text());
}
