//! The yard's own jobs in the other families, worked by hand beside the plan.

use serde_json::json;
use yoke_core::plan::Plan;
use yoke_trials::{SinglePoint, demo_lathe, sound, watches};

fn near(got: f64, wanted: f64, slack: f64, what: &str) {
    assert!((got - wanted).abs() <= slack, "{what}: {got} but by hand {wanted}");
}

fn tan(deg: f64) -> f64 {
    deg.to_radians().tan()
}

fn sin(deg: f64) -> f64 {
    deg.to_radians().sin()
}

fn last_size(plan: &Plan) -> f64 {
    plan.point().cut.passes.last().unwrap().pitch_diameter_mm.value
}

#[test]
fn the_paddle_screw_by_hand() {
    let plan = sound(
        json!({"thread": {"callout": "1-1/4-5 Acme LH", "length_mm": 420}, "blank": {"diameter_mm": 31.6}, "bit": {"tip_flat_mm": 1.7}, "lathe": demo_lathe(0)}),
    );
    let inch = 25.4;
    // E: 1.25 − 0.1 − 0.008·√1.25 = 1.14106, tolerance 0.006·√1.25 + 0.030·√0.2 = 0.02012; to the tenth of a thou.
    let (high, low) = (1.15 - 0.0089, 1.15 - 0.0089 - 0.0201);
    near(plan.thread.external.pitch_mm.max.as_ref().unwrap().value, high * inch, 1e-9, "E max");
    near(plan.thread.external.pitch_mm.min.as_ref().unwrap().value, low * inch, 1e-9, "E min");
    let aim = f64::midpoint(high, low) * inch;
    near(plan.point().cut.target_pitch_diameter_mm.value, aim, 1e-9, "aim");
    // Tip to pitch line: a quarter pitch over tan 14.5°, less what 1.7 of flat takes.
    let h = (5.08 / 4.0 - 1.7 / 2.0) / tan(14.5);
    near(plan.point().bit.tip_to_pitch_mm.value, h, 1e-9, "h");
    let radial = (31.6 - aim) / 2.0 + h;
    near(plan.point().cut.radial_mm.value, radial, 1e-9, "X");
    // Half a degree off the flank: 14°, so the slide travels a little further than the depth.
    near(plan.point().cut.angle_deg, 14.0, 1e-9, "lean");
    near(plan.point().cut.compound_mm.as_ref().unwrap().value, radial / 14.0_f64.to_radians().cos(), 1e-9, "travel");
    // 1/5 in on 4 TPI is 4/5: n is 4, and of eight marks on sixteen teeth every other is a multiple of four.
    assert_eq!(plan.point().gears.required_ratio, "4/5");
    assert_eq!(plan.point().gears.dial.every, Some(2));
    // Left-hand with the spindle forward runs away from the headstock.
    assert_eq!((plan.point().setup.hand_cut, plan.thread.hand), (yoke_core::direction::Hand::Left, yoke_core::direction::Hand::Left));
    assert!(plan.point().setup.says.contains("away from the headstock"), "{}", plan.point().setup.says);
    // The wire: 2.54 and 3.048 lie in 0.487P to 0.650P; over 2.54 the aim reads 31.607, under the crests at 31.623, so it is 3.048. The lead is
    // corrected for.
    let (w, e) = (3.048, aim);
    let simple = e + w * (1.0 + 1.0 / sin(14.5)) - 2.54 / tan(14.5);
    let lead = (5.08 / (std::f64::consts::PI * e)).powi(2);
    let corrected = simple + w / 2.0 * lead * 14.5_f64.to_radians().cos() / tan(14.5);
    near(plan.gauge.over_wires_mm.as_ref().unwrap().target.value, corrected, 1e-9, "over wires");
    assert!(last_size(&plan) >= aim - 1e-9 && last_size(&plan) < aim + 0.04, "never past the aim");
    assert!(watches(&plan, "warn", "stickout"), "420 long and 31.6 thick asks for a centre");
}

#[test]
fn the_hydrant_union_by_hand() {
    let plan = sound(
        json!({"thread": {"callout": "G1-1/4", "length_mm": 22}, "blank": {"diameter_mm": 41.7, "material": "brass"}, "bit": {"tip_radius_mm": 0.3}, "lathe": demo_lathe(0)}),
    );
    let p = 25.4 / 11.0;
    near(plan.point().cut.target_pitch_diameter_mm.value, 40.431 - 0.09, 1e-9, "the middle of 40.251 to 40.431");
    // A radius of 0.3 between flanks of 27.5° lacks 0.3·(1/sin − 1) of the sharp point.
    let h = p / (4.0 * tan(27.5)) - 0.3 * (1.0 / sin(27.5) - 1.0);
    near(plan.point().bit.tip_to_pitch_mm.value, h, 1e-9, "h");
    near(plan.point().cut.radial_mm.value, (41.7 - 40.341) / 2.0 + h, 1e-9, "X");
    // 1/11 in on 4 TPI is 4/11, and 32·40/44·80 is just that, with an idler for it to reach: four pitches apart, which every
    // other mark of eight on sixteen teeth counts.
    assert_eq!(
        (plan.point().gears.required_ratio.as_str(), plan.point().gears.dial.rule, plan.point().gears.dial.every),
        ("4/11", yoke_core::gears::DialRule::Marks, Some(2))
    );
    let train = &plan.point().gears.hung.as_ref().unwrap().train;
    assert_eq!((train.drivers.as_slice(), train.driven.as_slice(), train.error_ppm), ([32, 40].as_slice(), [44, 80].as_slice(), 0.0));
    // 14 DP: 32 + 24, 24 + 44 and 40 + 80 teeth are 50.8, 61.69 and 108.86 mm; together past the 190 between shafts.
    assert!(train.idlers == [24] && (32 + 24 + 24 + 44 + 40 + 80) as f64 * 25.4 / 28.0 > 190.0);
    let tip = plan.point().bit.tip_radius_mm.as_ref().unwrap();
    near(tip.aim.value, 0.137_329 * p, 2e-5, "the form's own radius");
    assert!(tip.min.value < tip.aim.value && tip.aim.value < tip.max.value && watches(&plan, "note", "form_radius"));
    // Wires between 0.506P and 0.853P: of the drawer 1.397 is nearest the best, P/(2 cos 27.5°) = 1.3016.
    near(plan.gauge.best_mm.as_ref().unwrap().value, p / (2.0 * 27.5_f64.to_radians().cos()), 1e-9, "best wire");
    near(plan.gauge.wire_mm.as_ref().unwrap().value, 1.397, 1e-9, "wire");
    assert!(!plan.gauge.corrected, "a single start at 55° goes uncorrected");
}

#[test]
fn the_sluice_screw_by_hand() {
    let plan = sound(
        json!({"thread": {"callout": "Tr28x5-7e", "length_mm": 260}, "blank": {"diameter_mm": 27.9, "material": "alloy_steel", "support": "centre"}, "bit": {"tip_flat_mm": 1.7}, "lathe": demo_lathe(1)}),
    );
    // d2 25.5 − 0.106; Td2 at grade 6 by the formula 90·5^0.4·√(22.4·45)^0.1 = 242 → 236, four steps on 300.
    near(plan.thread.external.pitch_mm.max.as_ref().unwrap().value, 25.394, 1e-9, "d2 max");
    near(plan.thread.external.pitch_mm.min.as_ref().unwrap().value, 25.094, 1e-9, "d2 min");
    // d3 22.5, less 1.25·300 + 106; D4 28.5; crest tolerance at P 5: 530 eight steps down is 335.
    near(plan.thread.external.minor_mm.min.as_ref().unwrap().value, 22.5 - 0.481, 1e-9, "d3 min");
    near(plan.thread.internal.major_mm.min.as_ref().unwrap().value, 28.5, 1e-9, "D4");
    near(plan.thread.external.major_mm.min.as_ref().unwrap().value, 28.0 - 0.335, 1e-9, "d min");
    let h = (1.25 - 0.85) / tan(15.0);
    near(plan.point().cut.radial_mm.value, (27.9 - 25.244) / 2.0 + h, 1e-9, "X");
    // 5 on 6 is 5/6: the yard's own lever, five pitches apart on a fifteen- or twenty-tooth dial gear.
    assert_eq!((plan.point().gears.required_ratio.as_str(), plan.point().gears.dial.teeth.is_some_and(|t| t % 5 == 0)), ("5/6", true));
    assert!(plan.point().cut.scale.contains("75.5°"), "counted from the bed: {}", plan.point().cut.scale);
    assert!(watches(&plan, "warn", "stickout"), "260 over 27.9 is past 8 with a centre");
    near(plan.blank.slenderness.as_ref().unwrap().ratio.value, 260.0 / 27.9, 1e-9, "slender");
}

#[test]
fn a_made_up_union_nut_and_a_square_screw_by_hand() {
    // A 3/4 BSF nut, blind, on the Bench: bore 0.75 − 2·0.640327/12 = 0.6433 in and 0.2P + 0.007 = 0.0237 more.
    let nut = sound(json!({"thread": {"callout": "3/4 BSF nut", "length_mm": 20}, "blank": {"shoulder": true}, "lathe": demo_lathe(2)}));
    near(nut.blank.min_mm.value / 25.4, 0.6433, 5e-5, "bore");
    near(nut.blank.max_mm.value / 25.4, 0.6670, 1e-4, "bore at most");
    let relief = nut.blank.relief.as_ref().unwrap().diameter_mm.value;
    let e_max = nut.thread.internal.pitch_mm.max.as_ref().unwrap().value;
    near(relief, e_max + 2.0 * nut.point().bit.tip_to_pitch_mm.value + 0.2, 1e-9, "relief beyond the deepest");
    // The share of a full thread counts twice the basic depth as a hundred.
    let share = (19.05 - nut.blank.used_mm.value) / (2.0 * 0.640_327 * 25.4 / 12.0) * 100.0;
    near(nut.blank.bore.as_ref().unwrap().share_percent.value, share, 0.02, "share");
    // A square screw of 1 in at 4 to the inch: 3.175 of land, 3.175 of groove, root 1 in less 6.35 less 0.3175.
    let square = sound(json!({"thread": {"callout": "1-4 Square"}, "blank": {"diameter_mm": 25.4}, "lathe": demo_lathe(0)}));
    near(square.thread.basic_form.crest_flat_mm.value, 3.175, 1e-9, "land");
    near(square.thread.external.minor_mm.max.as_ref().unwrap().value, 25.4 - 6.35 - 0.3175, 1e-9, "root");
    assert_eq!(square.point().gears.required_ratio, "1/1");
    assert_eq!(square.point().gears.dial.rule, yoke_core::gears::DialRule::AnyPosition);
    assert!(square.gauge.drawing.is_none() && square.gauge.says.contains("Straight sides"));
}

#[test]
fn the_plan_stays_small_and_says_nothing_odd() {
    for callout in ["1-1/4-5 Acme LH", "Tr40x14(P7)", "5/8 BSW", "G1-1/4", "2BA", "Sq 30x6", "1-5 Stub Acme nut"] {
        let plan = sound(json!({"thread": {"callout": callout}, "mate": {}, "blank": {"shoulder": true}}));
        let text = serde_json::to_string(&plan).unwrap();
        assert!(text.len() < 90_000, "{callout}: {} bytes", text.len());
        assert!(!text.contains("NaN") && !text.contains("inf ") && !text.contains("null,\"text\""), "{callout}");
        // Every word of advice ends as a sentence does.
        for w in &plan.watch {
            assert!(w.text.ends_with(['.', ':', ')']) && w.text.len() < 260, "{callout}: {}", w.text);
        }
    }
}

#[test]
fn handbook_depths_carry_their_clearance_on_both_members() {
    // 0.5P and ac of 0.25 for Tr28×5; 0.5P and 0.010 in for 1-5 Acme, 0.3P for the stub; the same for screw and nut.
    for (callout, wanted) in [
        ("Tr28x5", 2.75),
        ("Tr28x5 nut", 2.75),
        ("1-5 Acme", 2.794),
        ("1-5 Acme nut", 2.794),
        ("1-5 Stub Acme nut", 1.778),
        ("1/2-16 Acme", 0.92075),
        ("1 BSW", 2.033_04),
    ] {
        let plan = sound(json!({"thread": {"callout": callout}}));
        near(plan.point().cut.bench[0].radial_mm.value, wanted, 1e-5, callout);
    }
}
