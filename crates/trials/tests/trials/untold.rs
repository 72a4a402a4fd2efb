//! What was not told stops a plan short: no tip the form allows is spoilt by a planned pass, and no lathe or drawer is the demo's.

use proptest::prelude::*;
use serde_json::{Value, json};
use yoke_core::cut::{PassKind, Then};
use yoke_core::plan::{Plan, State};
use yoke_core::quantity::real;
use yoke_core::thread::series::standards;
use yoke_core::watch::Level;
use yoke_trials::{SinglePoint, bare, sound, with_the_tip_aimed_at};

/// Pitch diameter a flat tip leaves at a depth: the V's corners lie a quarter pitch either side at the pitch line, nothing of the core's.
fn left_by(flat: f64, depth: f64, plan: &Plan, inside: bool) -> f64 {
    let tan = (plan.thread.included_angle_deg / 2.0).to_radians().tan();
    let reach = (plan.thread.pitch_mm.value / 2.0 - flat) / 2.0 / tan;
    let sign = if inside { 1.0 } else { -1.0 };
    plan.blank.used_mm.value + sign * 2.0 * (depth - reach)
}

proptest! {
    #![proptest_config(ProptestConfig::with_cases(300))]

    /// Every tip the form allows, a nut's to a quarter of the pitch, is inside the limit after every planned pass.
    #[test]
    fn no_planned_pass_spoils_the_part_with_any_tip_the_form_allows(
        i in 0..standards().len(), inside: bool, lathe in 0_usize..3, share in 0.0_f64..=1.0, passes in prop::option::of(1_u32..25), told: bool
    ) {
        let one = &standards()[i];
        let side = if inside { "internal" } else { "external" };
        let mut request = json!({"thread": {"callout": one.name, "side": side}, "lathe": yoke_trials::demo_lathe(lathe), "cut": {"passes": passes}});
        let p = real(&one.pitch);
        let form = sound(request.clone());
        let sixty = form.thread.included_angle_deg == 60.0;
        let most = if sixty { p / 4.0 } else { form.point().bit.tip_flat_mm.max.value };
        // Where the form sets no least, a bit ground for it is taken to be no narrower than four fifths of the widest.
        let least = if sixty || form.point().bit.tip_flat_mm.min.value > 0.0 { form.point().bit.tip_flat_mm.min.value } else { 0.8 * most };
        if told {
            request["bit"] = json!({"tip_flat_between_mm": [0.1 * p, 0.22 * p]});
        }
        let plan = sound(request.clone());
        let (least, most) = if told { (0.1 * p, 0.22 * p) } else { (least, most) };
        let flat = least + share * (most - least);
        let limits = plan.run.limits_mm;
        for pass in plan.point().cut.passes.iter().filter(|p| p.kind != PassKind::Stocking) {
            let size = left_by(flat, pass.radial_mm, &plan, inside);
            let past = if inside { size - limits[1] } else { limits[0] - size };
            prop_assert!(past <= 1e-9, "{} {side} flat {flat}: {past} past at {}", one.name, pass.radial_mm);
        }
        let Some(last) = plan.point().cut.passes.last() else { return Ok(()) };
        prop_assert_eq!(last.then, Some(Then::Measure));
        prop_assert!(plan.point().cut.passes.iter().rev().skip(1).all(|p| p.then.is_none()));
        let nominal = form.thread.basic_form.radius_mm.is_some();
        let half = plan.point().cut.dial.graduation_mm / plan.point().cut.dial.reading_per_radial;
        if !nominal {
            // The bluntest comes within a division of the size aimed at: the stop is no shorter than it must be.
            let blunt = left_by(most, last.radial_mm, &plan, inside);
            prop_assert!((blunt - plan.point().cut.target_pitch_diameter_mm.value).abs() <= 2.0 * half + 1e-9, "{}", one.name);
            let rest = plan.point().cut.radial_if_mm.as_ref().unwrap();
            prop_assert!((rest.min.value - plan.point().cut.radial_mm.value).abs() < 1e-9);
            let tan = (plan.thread.included_angle_deg / 2.0).to_radians().tan();
            prop_assert!((rest.max.value - rest.min.value - (most - least) / (2.0 * tan)).abs() < 1e-9, "{}", one.name);
        }
        prop_assert!(plan.check.lines.iter().any(|l| l.code == "tip" && l.state == State::Unknown));
        // Told, the passes go the whole way, and nothing is to be measured between.
        let whole = sound(with_the_tip_aimed_at(json!({"thread": {"callout": one.name, "side": side}})));
        prop_assert!(whole.point().cut.passes.iter().all(|p| p.then.is_none()) && whole.point().cut.radial_if_mm.is_none());
    }

    /// Relief and chamfer lie beyond the deepest a sharp point goes.
    #[test]
    fn relief_and_chamfer_clear_a_sharp_point(i in 0..standards().len(), inside: bool) {
        let one = &standards()[i];
        let plan = sound(json!({"thread": {"callout": one.name, "side": if inside { "internal" } else { "external" }}, "blank": {"shoulder": true}}));
        if plan.thread.included_angle_deg != 60.0 {
            return Ok(());
        }
        let sharp = if inside { plan.run.limits_mm[1] } else { plan.run.limits_mm[0] } + if inside { 2.0 } else { -2.0 } * real(&one.pitch) / 4.0 * 3.0_f64.sqrt();
        let beyond = |d: f64| if inside { d - sharp } else { sharp - d };
        prop_assert!(beyond(plan.blank.relief.as_ref().unwrap().diameter_mm.value) > 0.0 && beyond(plan.blank.chamfer_mm.value) > 0.0, "{}", one.name);
    }
}

#[test]
fn the_worked_example_stops_where_the_widest_tip_is_at_size() {
    // M20×2.5: a flat of 0.625 finishes at 1.312 from a blank of 19.79, one of 0.3125 at 1.583.
    let plan = sound(json!({"thread": {"callout": "M20x2.5-6g"}, "blank": {"diameter_mm": 19.79}}));
    let rest = plan.point().cut.radial_if_mm.as_ref().unwrap();
    assert!((rest.min.value - 1.312).abs() < 1e-3 && (rest.max.value - 1.583).abs() < 1e-3);
    assert!(plan.point().cut.passes.iter().all(|p| p.radial_mm <= 1.3121));
    // A number of passes asked for counts over the whole at the tip aimed at; those up to the stop are kept.
    let twelve = sound(json!({"thread": {"callout": "M20x2.5-6g"}, "cut": {"passes": 12, "spring_passes": 0}}));
    let cuts = twelve.point().cut.passes.iter().filter(|p| p.kind == PassKind::Cut).count();
    assert!((8..12).contains(&cuts), "{cuts}");
    assert!((plan.point().bit.tip_doubt_mm.value - 0.2706).abs() < 1e-3);
}

#[test]
fn with_nothing_told_the_lathe_is_nobodys_and_the_drawer_is_empty() {
    let plan = bare(json!({"thread": {"callout": "M20x2.5-6g"}})).unwrap();
    let text = serde_json::to_string(&plan).unwrap();
    for demo in ["Long bed", "Gap bed", "Bench", "Alder", "60° HSS"] {
        assert!(!text.contains(demo), "{demo}");
    }
    assert!(plan.point().bit.drawer.tools.is_empty() && plan.gauge.wire_mm.is_none());
    // 8 TPI: 2.5 mm are 2.5·8/25.4 of its turns.
    assert_eq!(plan.point().gears.required_ratio, "100/127");
    assert!(plan.point().gears.hung.as_ref().is_some_and(|h| h.error_ppm.value.abs() < 1e-9), "127 is among its gears");
    for pointer in ["/lathe", "/gauge/wires_mm", "/bit/tip_flat_mm", "/blank/material"] {
        assert!(plan.assumptions.iter().any(|a| a.pointer == pointer), "{pointer}");
    }
    assert!(plan.watch.iter().any(|w| w.level == Level::Note && w.text.contains("No lathe was chosen")));
    let speeds = serde_json::to_value(&plan.point().setup.lathe_speeds).unwrap();
    assert_eq!((speeds.as_array().unwrap().len(), &speeds[0], &speeds[11]), (12, &json!(60.0), &json!(1200.0)));
    // A metric screw is taken to have metric collars.
    let metric = bare(json!({"thread": {"callout": "M10"}, "lathe": {"leadscrew": {"pitch_mm": 4}}})).unwrap();
    let dial: Value = serde_json::to_value(&metric.point().cut.dial).unwrap();
    assert_eq!((dial["unit"].as_str(), dial["graduation_mm"].as_f64()), (Some("mm"), Some(0.02)));
}

#[test]
fn the_card_says_where_to_measure_and_speaks_of_the_ending_followed() {
    let card = |request: Value| {
        let (job, lathe, kit) = yoke_trials::settled(request).unwrap();
        let plan = yoke_core::plan::plan(&job, &lathe, &kit);
        let member = yoke_core::route::Member { job: "rod", title: "rod", plan: &plan, facts: &job, lathe: &lathe, apart: false, mate: None, proven: false };
        serde_json::to_string(&yoke_core::paper::papers(&member)).unwrap()
    };
    let untold = card(json!({"thread": {"callout": "M12"}, "lathe": yoke_trials::demo_lathe(2)}));
    assert!(untold.contains("Measure now") && untold.contains("To the first measurement"), "{untold}");
    // The Bench's chuck screws on: no card of it speaks of reversing, and the chalk marks are what it follows.
    assert!(untold.contains("chalk") && !untold.to_lowercase().contains("reverse the spindle"), "{untold}");
    let told = card(json!({"thread": {"callout": "M12"}, "lathe": yoke_trials::demo_lathe(2), "bit": {"tip_flat_mm": 0.22}}));
    assert!(!told.contains("Measure now") && told.contains("Full depth on the dial"));
}

/// A tip that was not told has one range, the same wherever it is spoken of: the bit's sentence, the check, what is assumed, what to watch.
#[test]
fn an_untold_tip_has_one_range_wherever_it_is_spoken_of() {
    for callout in ["M20x2.5-6g", "M3x0.5-6H", "7/8-9 UNC", "Tr100x12", "1-1/4-5 Acme", "1-5 Stub Acme", "Butt 3-6", "S 40x7", "5/16-24 UNRF"] {
        for unit in ["mm", "in"] {
            let plan = bare(json!({"unit": unit, "thread": {"callout": callout}})).unwrap_or_else(|f| panic!("{callout}: {f:?}"));
            let said = plan.point().bit.tip.rsplit_once(", not measured").unwrap_or_else(|| panic!("{callout}: {}", plan.point().bit.tip)).0;
            let range = said;
            let tip = plan.check.lines.iter().find(|l| l.code == "tip").unwrap();
            let assumed = plan.assumptions.iter().find(|a| a.pointer == "/bit/tip_flat_mm").unwrap();
            let watch = plan.watch.iter().find(|w| w.text.starts_with("The tip is not measured")).unwrap();
            for text in [&tip.says, &assumed.text, &watch.text] {
                assert!(text.contains(range), "{callout} in {unit}: “{range}” is not in “{text}”");
            }
        }
    }
}
