//! Buttress threads: proportions that close on themselves, two flanks each in its place, both members, both ways round.

use serde_json::json;
use yoke_core::gauge::Measured;
use yoke_core::plan::{Plan, State};
use yoke_trials::{SinglePoint, judge, reckon, sound, watches};

const FORMS: [(&str, [f64; 2], f64, f64); 2] = [("Butt 2-8", [7.0, 45.0], 0.07141, 0.16316), ("S 40x7", [3.0, 30.0], 0.12427, 0.26384)];

fn planned(callout: &str, more: &serde_json::Value) -> Plan {
    let mut request = json!({"thread": {"callout": callout, "length_mm": 40}, "blank": {"shoulder": true}});
    for (section, facts) in more.as_object().unwrap() {
        for (name, value) in facts.as_object().unwrap() {
            request[section][name] = value.clone();
        }
    }
    sound(request)
}

fn most(range: &yoke_core::thread::Range) -> f64 {
    range.max.as_ref().unwrap().value
}

fn least(range: &yoke_core::thread::Range) -> f64 {
    range.min.as_ref().unwrap().value
}

#[test]
fn the_proportions_close_on_themselves() {
    for (callout, [a, b], radius, crest) in FORMS {
        let t = planned(callout, &json!({})).thread;
        let (d, p) = (t.major_mm.value, t.pitch_mm.value);
        let tans = f64::tan(f64::to_radians(a)) + f64::tan(f64::to_radians(b));
        // Crest: half the pitch at the pitch line, less what both flanks take on the way up.
        let up = (d - t.external.pitch_mm.basic.value) / 2.0;
        assert!((t.basic_form.crest_flat_mm.value - (p / 2.0 - up * tans)).abs() < 1e-9);
        assert!((t.basic_form.crest_flat_mm.value - crest * p).abs() < 1e-3 * p, "{callout}: published crest");
        // Root: the sharp V lies half its height under the pitch line, and the arc's lowest point over it by what the arc lacks.
        let (half, lean) = (f64::to_radians((a + b) / 2.0), f64::to_radians((a - b) / 2.0));
        let lacks = radius * p * (lean.cos() / half.sin() - 1.0);
        let root = t.external.pitch_mm.basic.value - 2.0 * (p / (2.0 * tans) - lacks);
        let said = most(&t.external.minor_mm) + (d - most(&t.external.major_mm));
        assert!((said - root).abs() < 2e-4 * p, "{callout}: {said} {root}");
    }
    // S40×7 as DIN 513 has it (recalled): D1 29.5, d3 27.851.
    let t = planned("S40x7", &json!({})).thread;
    assert!((least(&t.internal.minor_mm) - 29.5).abs() < 1e-9 && (most(&t.external.minor_mm) - 27.851).abs() < 1e-3);
}

#[test]
fn each_flank_is_where_the_load_says() {
    for (callout, [load, clear], ..) in FORMS {
        for (way, hand) in [("toward", "right"), ("away", "left")] {
            for faces in ["headstock", "tailstock"] {
                let plan = planned(callout, &json!({"thread": {"hand": hand, "load_flank": faces}, "setup": {"way": way}}));
                let flanks = plan.thread.flanks_deg.unwrap();
                // Toward the headstock the leading edge cuts the wall that faces the tailstock; away, the other.
                let leads = (faces == "tailstock") == (way == "toward");
                assert_eq!([flanks.leading, flanks.trailing], if leads { [load, clear] } else { [clear, load] }, "{callout} {way} {faces}");
                let text = serde_json::to_value(&plan.thread).unwrap();
                assert!(text.get("half_angle_deg").is_none() && text["flanks_deg"]["leading"] == json!(flanks.leading));
                assert!(plan.point().cut.angle_deg < flanks.trailing, "the lean keeps off the trailing flank");
                assert!(plan.check.lines.iter().any(|l| l.code == "load_flank" && l.state == State::Good));
                // Each flank of the drawn groove stands at its own angle, the headstock to the left.
                let line = &plan.thread.drawing.shapes.iter().find(|s| s.role == "thread.flank").unwrap().line;
                let walls: Vec<(f64, bool)> = line
                    .windows(2)
                    .filter(|w| (w[0][1] - w[1][1]).abs() > 1e-6)
                    .map(|w| (((w[1][0] - w[0][0]) / (w[1][1] - w[0][1])).abs().atan().to_degrees(), w[1][1] < w[0][1]))
                    .collect();
                for (deg, left) in &walls {
                    let leading = *left == (way == "toward");
                    assert!((deg - if leading { flanks.leading } else { flanks.trailing }).abs() < 0.05, "{callout} {way} {faces}: {walls:?}");
                }
            }
        }
        let untold = planned(callout, &json!({}));
        assert!(untold.check.lines.iter().any(|l| l.code == "load_flank" && l.state == State::Unknown));
        assert!(untold.assumptions.iter().any(|a| a.pointer == "/thread/load_flank"));
    }
    assert!(reckon(json!({"thread": {"callout": "M20x2.5", "load_flank": "headstock"}})).unwrap_err().iter().any(|f| f.pointer == "/thread/load_flank"));
}

#[test]
fn either_member_is_planned_measured_and_told_true() {
    for (callout, ..) in FORMS {
        for side in ["external", "internal"] {
            let plan = planned(callout, &json!({"thread": {"side": side, "load_flank": "tailstock"}, "bit": {"tip_flat_mm": 0.3}}));
            let line = &plan.thread;
            // The screw clears the nut everywhere, at its largest in the smallest.
            assert!(most(&line.external.pitch_mm) < least(&line.internal.pitch_mm) + 1e-9);
            assert!(most(&line.external.minor_mm) < least(&line.internal.minor_mm) && most(&line.external.major_mm) <= least(&line.internal.major_mm) + 1e-9);
            // Depth on the dial, by the V the two flanks make and what the flat lacks of it.
            let tans: f64 = line.flanks_deg.unwrap().both().iter().map(|f| f.to_radians().tan()).sum();
            let h = line.pitch_mm.value / (2.0 * tans) - 0.3 / tans;
            let in_ = (plan.blank.used_mm.value - plan.point().cut.target_pitch_diameter_mm.value).abs() / 2.0 + h;
            assert!((plan.point().cut.radial_mm.value - in_).abs() < 1e-6, "{callout} {side}: {} {in_}", plan.point().cut.radial_mm.value);
            assert!(watches(&plan, "note", "tolerance_nominal"), "recalled, and said");
            if side == "external" {
                // The largest wire of the demo's drawer lies under the crests of the metric one: that is said, and another is told.
                let best = plan.gauge.usable_mm.as_ref().unwrap().min.value * 1.1;
                let [a, b] = line.flanks_deg.unwrap().both().map(f64::to_radians);
                let wedge = ((a - b) / 2.0).cos() / ((a + b) / 2.0).sin();
                let lean = line.lead_mm.value / (std::f64::consts::PI * plan.point().cut.target_pitch_diameter_mm.value);
                let lifted = best / 2.0 * lean * lean * (a.cos() + b.cos()) / tans;
                let told = Measured {
                    over_wires_mm: Some(plan.point().cut.target_pitch_diameter_mm.value + best * (1.0 + wedge) - line.pitch_mm.value / tans + lifted),
                    wire_mm: Some(best),
                    ..Measured::default()
                };
                let verdict = judge(&plan.run, &told, plan.point().cut.radial_mm.value);
                let verdict = verdict.unwrap();
                assert!((verdict.pitch_diameter_mm.value - plan.point().cut.target_pitch_diameter_mm.value).abs() < 0.01, "{callout}: {verdict:?} {told:?}");
            }
        }
    }
    // A bit of the two flanks' sum cuts true; one ground two degrees wide is felt, on both.
    let ground = |deg: f64| planned("Butt 2-8", &json!({"bit": {"included_angle_deg": deg, "tip_radius_mm": 0.22}})).point().bit.ground.clone().unwrap();
    assert!(ground(52.0).feels_mm.value < 1e-6 && ground(54.0).feels_mm.value > 0.03);
    for callout in ["2-8 Butt-3A LH", "butt 1-1/2-6", "2-8 buttress 2B", "S40x14(P7)", "S 28x5 LH"] {
        assert!(reckon(json!({"thread": {"callout": callout}})).is_ok(), "{callout}");
    }
}
