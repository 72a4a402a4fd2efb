//! The groove simulated against the closed-form plan, and mistakes against sums by hand.

use proptest::prelude::*;
use serde_json::{Value, json};
use yoke_core::cut::{Edge, Field, PassKind};
use yoke_core::job::materials;
use yoke_core::plan::Plan;
use yoke_core::sheets::{Mistaken, groove_sheet};
use yoke_core::thread::Side;
use yoke_core::thread::series::standards;
use yoke_trials::{SinglePoint, demo_lathe, reckon, sound, watches};

const FAMILIES: [&str; 10] =
    ["M20x2.5-6g", "M36x1.5-6H", "7/8-9 UNC-2A", "1-1/4-5 Acme LH", "1-5 Stub Acme", "Tr28x5-7e", "5/8 BSW", "G1-1/4", "2BA", "1-4 Square"];
const STYLES: [&str; 5] = ["radial", "flank", "modified_flank", "alternating", "stocking_then_form"];

/// A plan of this style, unless it is refused for the thread.
fn styled(callout: &str, style: &str, more: Value) -> Option<Plan> {
    let mut request = json!({"thread": {"callout": callout}, "lathe": demo_lathe(0), "cut": {"style": style}});
    for (part, fields) in more.as_object().unwrap() {
        for (field, value) in fields.as_object().unwrap() {
            request[part][field] = value.clone();
        }
    }
    let plan = reckon(request).ok()?;
    (!watches(&plan, "danger", "compound_swing") && !plan.point().cut.passes.is_empty()).then_some(plan)
}

/// The tool cut into the metal pass by pass, laid out here from the plan's own figures.
fn simulate(plan: &Plan) -> (Field, Vec<(f64, f64)>) {
    let (alpha, cut) = ((plan.thread.included_angle_deg / 2.0), &plan.point().cut);
    let full = cut.passes.last().unwrap().radial_mm;
    let form = plan
        .point()
        .bit
        .radius_mm
        .as_ref()
        .map_or_else(|| Edge::flat(plan.point().bit.flat_mm.value, [alpha; 2], 50.0), |r| Edge::round(r.value, [alpha; 2], 50.0));
    let rough = Edge::flat(cut.stocking_flat_mm.as_ref().map_or(0.0, |f| f.value), [alpha; 2], 50.0);
    let mut field = Field::uncut(plan.thread.pitch_mm.value);
    let steps = cut.passes.iter().map(|pass| {
        let tool = if pass.kind == PassKind::Stocking { &rough } else { &form };
        let chip = field.cut(tool, (full - pass.radial_mm) * cut.angle_deg.to_radians().tan() + pass.side_mm, pass.radial_mm);
        (chip.area(), field.pitch_line(alpha))
    });
    let steps: Vec<_> = steps.collect();
    (field, steps)
}

#[test]
fn the_simulated_groove_is_the_plan_in_every_style_and_family() {
    let mut tried = 0;
    for callout in FAMILIES {
        for style in STYLES {
            let Some(plan) = styled(callout, style, json!({})) else { continue };
            let (field, steps) = simulate(&plan);
            let turn = if plan.thread.side == Side::External { 1.0 } else { -1.0 };
            for (pass, (_, line)) in plan.point().cut.passes.iter().zip(&steps) {
                let roughing = pass.kind == PassKind::Stocking || (pass.kind == PassKind::Scratch && style == "stocking_then_form");
                // Straight sides have no pitch line; a round tip's own curve is all there is of a scratch.
                if (plan.thread.included_angle_deg / 2.0) <= 0.0 || pass.radial_mm < 0.3 * plan.point().cut.radial_mm.value || roughing {
                    continue;
                }
                let size = plan.blank.used_mm.value - turn * 2.0 * line;
                assert!((size - pass.pitch_diameter_mm.value).abs() < 5e-4, "{callout} {style} pass {}: {size} {}", pass.n, pass.pitch_diameter_mm.value);
            }
            let chips: f64 = steps.iter().map(|s| s.0).sum();
            assert!((chips - field.area()).abs() <= 1e-6 * field.area(), "{callout} {style}");
            assert!((field.deepest() - plan.point().cut.passes.last().unwrap().radial_mm).abs() < 1e-9);
            let told: f64 = plan.point().cut.passes.iter().map(|p| p.chip_mm2).sum();
            assert!((told - field.area()).abs() < 1e-4 * plan.point().cut.passes.len() as f64, "{callout} {style}: {told} {}", field.area());
            tried += 1;
        }
    }
    // Five styles less those a form has no room for, and a scale that has no flank to follow.
    assert!(tried >= 38, "{tried} combinations");
}

proptest! {
    #[test]
    fn chips_sum_to_the_groove_and_sizes_agree_whatever_the_plan(
        which in 0_usize..10, style in 0_usize..5, lathe in 0_usize..3, passes in 2_i64..40, even: bool, flat in 0.3_f64..1.2, row in 1_u32..12, share in 0.1_f64..0.9,
    ) {
        let law = if even { "constant_depth" } else { "constant_area" };
        let more = json!({"cut": {"passes": passes, "depth_law": law}});
        let Some(first) = styled(FAMILIES[which], STYLES[style], more.clone()) else { return Ok(()) };
        // A row set by hand, and a tip of one's own within what the form allows.
        let mut more = more;
        more["cut"]["rows"] = json!([{"n": row, "radial_mm": first.point().cut.radial_mm.value * share}]);
        more["bit"] = json!({"tip_flat_mm": first.point().bit.tip_flat_mm.min.value.max(0.02) * flat.min(1.0) + (first.point().bit.tip_flat_mm.max.value - first.point().bit.tip_flat_mm.min.value) * (flat - 0.3)});
        more["lathe"] = demo_lathe(lathe);
        let Some(plan) = styled(FAMILIES[which], STYLES[style], more) else { return Ok(()) };
        let (field, steps) = simulate(&plan);
        prop_assert!((steps.iter().map(|s| s.0).sum::<f64>() - field.area()).abs() <= 1e-6 * field.area());
        if (plan.thread.included_angle_deg / 2.0) > 0.0 {
            let turn = if plan.thread.side == Side::External { 1.0 } else { -1.0 };
            let (last, line) = (plan.point().cut.passes.last().unwrap(), steps.last().unwrap().1);
            let size = plan.blank.used_mm.value - turn * 2.0 * line;
            prop_assert!((size - last.pitch_diameter_mm.value).abs() < 5e-4, "{size} {}", last.pitch_diameter_mm.value);
        }
        // Deeper every pass, never past the aim, every setting within a quarter division of what was asked.
        let per = plan.point().cut.dial.graduation_mm / plan.point().cut.dial.reading_per_radial;
        for (pass, next) in plan.point().cut.passes.iter().zip(plan.point().cut.passes.iter().skip(1)) {
            prop_assert!(next.radial_mm >= pass.radial_mm - 1e-9 || next.kind == PassKind::Cut && pass.kind == PassKind::Stocking);
        }
        let asked = plan.point().cut.radial_mm.value;
        for pass in &plan.point().cut.passes {
            let last = (pass.asked_radial_mm.value - asked).abs() < 1e-9;
            prop_assert!(pass.radial_mm <= asked + 1e-8);
            let held = pass.asked_radial_mm.value > plan.point().cut.passes.last().unwrap().radial_mm;
            let slack = if last { per / 2.0 } else { per / 4.0 } + 1e-8;
            prop_assert!(held || (pass.radial_mm - pass.asked_radial_mm.value).abs() <= slack);
        }
    }

    /// The height field against the deeper of all tools at many places along the axis; a round tip is laid out in chords.
    #[test]
    fn the_field_is_the_deepest_of_all_the_tools(strokes in prop::collection::vec((-1.0_f64..1.0, 0.05_f64..2.0), 1..12), flat in 0.0_f64..0.8, a in 5.0_f64..45.0, b in 5.0_f64..45.0, round: bool) {
        let pitch = 2.5;
        let edge = if round { Edge::round(flat, [a, b], 6.0) } else { Edge::flat(flat, [a, b], 6.0) };
        let mut field = Field::uncut(pitch);
        let mut taken = 0.0;
        for (at, depth) in &strokes {
            let chip = field.cut(&edge, *at, *depth);
            prop_assert!(chip.leading_mm2 >= 0.0 && chip.tip_mm2 >= 0.0 && chip.trailing_mm2 >= 0.0);
            taken += chip.area();
        }
        let back = |u: f64| -> f64 {
            if !round {
                return if u < -flat / 2.0 { (-flat / 2.0 - u) / a.to_radians().tan() } else if u > flat / 2.0 { (u - flat / 2.0) / b.to_radians().tan() } else { 0.0 };
            }
            let (left, right) = (-flat * a.to_radians().cos(), flat * b.to_radians().cos());
            let arc = |x: f64| flat - (flat * flat - x * x).max(0.0).sqrt();
            if u < left { arc(left) + (left - u) / a.to_radians().tan() } else if u > right { arc(right) + (u - right) / b.to_radians().tan() } else { arc(u) }
        };
        let deep = |x: f64| (-4..=4).flat_map(|k| strokes.iter().map(move |(at, depth)| (x - at - f64::from(k) * pitch, *depth))).map(|(u, depth)| depth - back(u)).fold(0.0, f64::max);
        let n = 5_000;
        let by_strips: f64 = (0..n).map(|i| deep(-pitch / 2.0 + pitch * (f64::from(i) + 0.5) / f64::from(n)) * pitch / f64::from(n)).sum();
        prop_assert!((field.area() - by_strips).abs() < if round { 1e-3 } else { 1e-4 } && (taken - field.area()).abs() < 1e-6 * field.area().max(1e-3), "{} {by_strips}", field.area());
    }
}

fn what_if(plan: &Plan, mistake: Mistaken) -> f64 {
    groove_sheet(&plan.point()).what_if.into_iter().find(|w| w.mistake == mistake).unwrap().acts_mm.value
}

#[test]
fn mistakes_act_as_they_do_by_hand() {
    let plan = sound(json!({"thread": {"callout": "M20x2.5-6g"}, "bit": {"tip_flat_mm": 0.3125}, "lathe": demo_lathe(0)}));
    let tan = |deg: f64| deg.to_radians().tan();
    // The compound from the wrong end of its scale: the first pass past the pitch line cuts its trailing flank off by what the
    // lean moves it, less what the flank gains; on M20×2.5 the trade has it like 1.4.
    let full = plan.point().cut.passes.last().unwrap().radial_mm;
    let line = full - plan.point().bit.tip_to_pitch_mm.value;
    let first = plan.point().cut.passes.iter().map(|p| p.radial_mm).find(|x| *x >= line).unwrap();
    let by_hand = (full - first) * (tan(60.5) - tan(30.0)) / tan(30.0);
    let off = what_if(&plan, Mistaken::ScaleOtherEnd);
    assert!((off - by_hand).abs() < 1e-6 && (1.0..1.7).contains(&off), "{off} {by_hand}");
    // And 31° like 0.028.
    let over = sound(
        json!({"thread": {"callout": "M20x2.5-6g"}, "bit": {"tip_flat_mm": 0.3125}, "lathe": demo_lathe(0), "cut": {"style": "flank", "compound_angle_deg": 31}}),
    );
    let (field, _) = simulate(&over);
    let acts = (field.width_at(line) - 1.25) / tan(30.0);
    assert!((0.02..0.035).contains(&acts), "{acts}");
    // A tip a tenth wider acts like a tenth over the tangent; the last cut twice as deep like twice its step.
    assert!((what_if(&plan, Mistaken::TipTooWide) - 0.1 / tan(30.0)).abs() < 1e-9);
    let cuts: Vec<f64> = plan.point().cut.passes.iter().filter(|p| p.kind == PassKind::Cut).map(|p| p.radial_mm).collect();
    let step = cuts[cuts.len() - 1] - cuts[cuts.len() - 2];
    assert!((what_if(&plan, Mistaken::TwiceAsDeep) - 2.0 * step).abs() < 1e-6, "the whole groove goes down by it: {step}");
    // A flank a degree steeper and one a degree flatter, at the pitch line: h from the tip.
    let h = plan.point().bit.tip_to_pitch_mm.value;
    let square = h * (tan(29.0) + tan(31.0) - 2.0 * tan(30.0)) / tan(30.0);
    assert!((what_if(&plan, Mistaken::OffSquare) - square).abs() < 1e-6);
    // One leadscrew pitch of 6.35 on 2.5 of thread lands 1.35 along.
    let sheet = groove_sheet(&plan.point());
    let wrong = sheet.what_if.iter().find(|w| w.mistake == Mistaken::WrongMark).unwrap();
    assert!(wrong.says.contains("1.350 mm"), "{}", wrong.says);
    // Where the leadscrew is a whole number of threads no place is wrong.
    let coarse = sound(json!({"thread": {"callout": "1-8"}, "lathe": demo_lathe(0)}));
    assert!(groove_sheet(&coarse.point()).what_if.iter().all(|w| w.mistake != Mistaken::WrongMark));
    // Nothing told of a straight thread's flanks; every drawing stays in its bounds.
    for plan in [plan, coarse, sound(json!({"thread": {"callout": "1-4 Square"}})), sound(json!({"thread": {"callout": "M36x1.5-6H LH"}}))] {
        let sheet = groove_sheet(&plan.point());
        assert_eq!(sheet.passes.len(), plan.point().cut.passes.len());
        assert!(sheet.passes.last().unwrap().left_mm2 < 1e-3 && sheet.passes.windows(2).all(|w| w[1].left_mm2 <= w[0].left_mm2));
        for d in sheet.passes.iter().map(|p| &p.drawing).chain(sheet.what_if.iter().map(|w| &w.drawing)) {
            let [l, b, r, t] = d.bounds;
            assert!(d.shapes.iter().flat_map(|s| &s.line).all(|q| q[0] >= l && q[0] <= r && q[1] >= b && q[1] <= t));
        }
    }
}

#[test]
fn styles_are_compared_by_what_each_edge_bites() {
    let plan = sound(json!({"thread": {"callout": "M20x2.5-6g"}, "lathe": demo_lathe(0)}));
    let styles = groove_sheet(&plan.point()).styles;
    let of = |style: &str| styles.iter().find(|s| serde_json::to_value(s.style).unwrap() == style).unwrap();
    let (radial, flank) = (of("radial").bites.unwrap(), of("flank").bites.unwrap());
    // Straight in, both edges bite alike; along the flank nearly all is the leading one's.
    assert!((radial.leading_mm2 - radial.trailing_mm2).abs() < 1e-3 && flank.leading_mm2 > 5.0 * flank.trailing_mm2, "{radial:?} {flank:?}");
    assert!(of("radial").passes > of("flank").passes, "a crowded chip asks for lighter cuts");
    assert!(of("stocking_then_form").refused.is_some() && of("modified_flank").chosen);
    // Each is seen: the bands of its passes are together the groove, by the closed form of its area; the one proposed says why.
    let told = sound(json!({"thread": {"callout": "M20x2.5-6g"}, "lathe": demo_lathe(0), "bit": {"tip_flat_mm": 0.32}}));
    let (x, flat) = (told.point().cut.radial_mm.value, told.point().bit.flat_mm.value);
    let whole = flat * x + x * x * 30_f64.to_radians().tan();
    for style in groove_sheet(&told.point()).styles.iter().filter(|s| s.refused.is_none()) {
        let bands: Vec<_> = style.drawing.as_ref().unwrap().shapes.iter().filter(|s| s.role == "cut.pass").collect();
        let area = |line: &[[f64; 2]]| line.iter().zip(line.iter().cycle().skip(1)).map(|(a, b)| a[0] * b[1] - b[0] * a[1]).sum::<f64>().abs() / 2.0;
        let cut: f64 = bands.iter().map(|b| area(&b.line)).sum();
        assert!((cut / whole - 1.0).abs() < 0.02 && bands.len() >= style.passes, "{}: {cut} of {whole}, {} bands", style.says, bands.len());
    }
    assert!(styles.iter().filter(|s| s.recommended.is_some()).map(|s| s.chosen).eq([true]));
    // The bench lathe's compound all but fixed: no flank and no side-steps there.
    let bench = groove_sheet(&sound(json!({"thread": {"callout": "M16x2-6g"}, "lathe": demo_lathe(2)})).point()).styles;
    assert!(bench.iter().filter(|s| s.refused.is_some()).count() == 4 && bench.iter().any(|s| s.chosen && s.refused.is_none()));
    // Alternating: depth on the cross-slide, steps on the compound to one side and the other, none at the end.
    let side = styled("M20x2.5-6g", "alternating", json!({})).unwrap();
    let steps: Vec<f64> = side.point().cut.passes.iter().filter(|p| p.kind == PassKind::Cut).map(|p| p.side_mm).collect();
    let moves: Vec<f64> = steps.windows(2).map(|w| w[1] - w[0]).filter(|m| m.abs() > 1e-9).collect();
    assert!(moves.len() > 8 && moves.windows(2).all(|w| w[0] * w[1] < 0.0) && *steps.last().unwrap() == 0.0, "{steps:?}");
    assert!(side.point().cut.passes[1].dial.len() == 2 && side.point().cut.scale.contains("90°"));
}

#[test]
fn slender_work_and_a_long_bar_begin_lighter() {
    let passes = |more: Value| {
        let mut request = json!({"thread": {"callout": "M20x2.5-6g"}, "lathe": demo_lathe(0)});
        request["blank"] = more;
        let plan = sound(request);
        (plan.point().cut.passes.iter().filter(|p| p.kind == PassKind::Cut).count(), plan.point().cut.lightened.is_some())
    };
    let (stout, slender, held) =
        (passes(json!({"stick_out_mm": 50})), passes(json!({"stick_out_mm": 120})), passes(json!({"stick_out_mm": 120, "support": "centre"})));
    assert!(!stout.1 && slender.1 && !held.1 && slender.0 > stout.0 && held.0 == stout.0, "{stout:?} {slender:?} {held:?}");
    let bored = |bar: f64| sound(json!({"thread": {"callout": "M36x1.5-6H", "length_mm": 60}, "bit": {"bar_diameter_mm": bar, "tip_flat_mm": 0.1}}));
    let cuts = |plan: &yoke_core::plan::Plan| plan.point().cut.passes.iter().filter(|p| p.kind == PassKind::Cut).count();
    let (thin, stout) = (bored(8.0), bored(25.0));
    assert!(thin.point().cut.lightened.as_ref().unwrap().contains("bar is slender") && stout.point().cut.lightened.is_none() && cuts(&thin) > cuts(&stout));
}

proptest! {
    #![proptest_config(ProptestConfig::with_cases(60))]

    /// Laid out by the app: the first cut is at most a third of the depth, the last still cuts and no row is lost to rounding; no pass takes
    /// more than the material and the lathe allow unless one that still cuts must. A bench lathe takes lighter cuts than a big one.
    #[test]
    fn passes_keep_their_bounds(i in 0..standards().len(), m in 0..materials().len(), share in 0.3_f64..1.0, inside: bool) {
        let (one, material) = (&standards()[i], &materials()[m]);
        let most = |lathe: usize| -> Result<Option<f64>, TestCaseError> {
            let side = if inside { "internal" } else { "external" };
            let first = reckon(json!({"thread": {"callout": one.name, "side": side}}));
            let Ok(first) = first else { return Ok(None) };
            let told = first.point().bit.tip_radius_mm.as_ref().map_or_else(
                || json!({"tip_flat_mm": first.point().bit.tip_flat_mm.aim.value * share}), |r| json!({"tip_radius_mm": r.aim.value}));
            let plan = reckon(json!({"thread": {"callout": one.name, "side": side}, "bit": told, "lathe": demo_lathe(lathe), "blank": {"material": material.code}}));
            let Ok(plan) = plan else { return Ok(None) };
            let rows: Vec<_> = plan.point().cut.passes.iter().filter(|p| p.kind == PassKind::Cut).collect();
            let whole = plan.point().cut.radial_mm.value;
            let half = plan.point().cut.dial.half_mm();
            if rows.len() > 1 {
                let steps: Vec<f64> = rows.windows(2).map(|w| w[1].radial_mm - w[0].radial_mm).collect();
                let least = material.least_cut_mm;
                prop_assert!(rows[0].asked_radial_mm.value <= (whole / 3.0).max(least + 1.5 * half) + 1e-9, "{}: first {} of {whole}", one.name, rows[0].asked_radial_mm.value);
                prop_assert!(steps.iter().all(|s| *s >= least.min(whole) - 1e-6), "{}: {steps:?}", one.name);
                prop_assert!(rows.windows(2).all(|w| w[1].radial_mm > w[0].radial_mm), "{}: a row is lost to rounding", one.name);
            }
            Ok(Some(rows.iter().map(|p| p.chip_mm2).fold(0.0, f64::max)))
        };
        if let (Some(big), Some(small)) = (most(0)?, most(2)?) {
            prop_assert!(small <= big * 1.35 + 0.03, "{}: {small} on the bench, {big} on the long bed", one.name);
        }
    }
}

#[test]
fn depth_is_read_on_an_indicator_or_a_readout() {
    let mut lathe = demo_lathe(1);
    lathe["readout"] = json!({"resolution_mm": 0.005, "cross_slide": "diameter"});
    let on = |cut: Value| sound(json!({"thread": {"callout": "M20x2.5-6g"}, "lathe": lathe, "cut": cut}));
    let plan = on(json!({"style": "radial", "read_by": "readout"}));
    let last = plan.point().cut.passes.last().unwrap();
    let figure: f64 = last.dial[0].text.trim_end_matches(" mm").parse().unwrap();
    assert!((figure - 2.0 * last.radial_mm).abs() < 1e-9 && last.dial[0].turns == 0, "it reads diameter: {}", last.dial[0].text);
    assert!(plan.point().cut.radial_mm.value - last.radial_mm < 0.0025 + 1e-9);
    // By the compound nothing reads: said, and the dial serves.
    let slanted = on(json!({"style": "flank", "read_by": "readout"}));
    assert!(watches(&slanted, "warn", "readout") && slanted.point().cut.dial.divisions > 0.0);
    let indicator = on(json!({"read_by": "indicator", "indicator": {"graduation": 0.01, "per_turn": 1, "travel_mm": 1.5}}));
    assert!(watches(&indicator, "warn", "indicator_travel") && (indicator.point().cut.dial.divisions - 100.0).abs() < 1e-9);
    let last = indicator.point().cut.passes.last().unwrap();
    assert!(((f64::from(last.dial[0].turns) * 100.0 + last.dial[0].divisions) / 100.0 - last.compound_mm).abs() < 1e-9, "the plunger goes as the slide does");
    for (cut, pointer) in [
        (json!({"rows": [{"n": 3, "radial_mm": 0.5}, {"n": 2, "radial_mm": 0.8}]}), "/cut/rows/1/radial_mm"),
        (json!({"rows": [{"n": 0, "radial_mm": 0.5}]}), "/cut/rows/0/n"),
        (json!({"indicator": {"graduation": 0.03, "per_turn": 1}}), "/cut/indicator/per_turn"),
        (json!({"style": "alternating", "compound_angle_deg": 29}), "/cut/compound_angle_deg"),
        (json!({"stocking_flat_mm": 40}), "/cut/stocking_flat_mm"),
    ] {
        let faults = reckon(json!({"thread": {"callout": "M20"}, "cut": cut})).unwrap_err();
        assert!(faults.iter().any(|f| f.pointer == pointer), "{pointer}: {faults:?}");
    }
}
