//! A figure somebody was going to use: what it gives, by hand, and the slips it may be.

use serde_json::{Value, json};
use yoke_core::plan::State;
use yoke_core::sheets::{OwnFigure, OwnFigureView, OwnKind, groove_sheet, own_figure};
use yoke_core::voice::Voice;
use yoke_trials::{SinglePoint, demo_lathe, sound};

fn told(callout: &str, more: Value) -> yoke_core::plan::Plan {
    let mut request = json!({"thread": {"callout": callout}, "lathe": demo_lathe(1)});
    yoke_trials::patched(&mut request, &more);
    sound(request)
}

fn tested(plan: &yoke_core::plan::Plan, of: OwnKind, figure: f64) -> OwnFigureView {
    own_figure(&plan.point(), &OwnFigure { of, figure }, Voice::default()).unwrap()
}

#[test]
fn a_depth_is_tested_by_this_tip_and_its_slip_is_named() {
    // M20×2.5 from 19.9 with a flat of P/8: h = (1.25 − 0.3125)/(2 tan 30°) = 0.8119; to 18.25 straight in 0.825 + 0.8119 = 1.6369.
    let plan = told(
        "M20x2.5-6g",
        json!({"blank": {"diameter_mm": 19.9}, "bit": {"included_angle_deg": 60, "tip_flat_mm": 0.3125}, "cut": {"style": "modified_flank", "compound_angle_deg": 29.5, "target_pitch_diameter_mm": 18.25}}),
    );
    let right = 1.6369;
    let cos = 29.5_f64.to_radians().cos();
    let good = tested(&plan, OwnKind::Radial, right);
    assert!(good.state == State::Good && good.trap.is_none() && (good.gives_mm - 18.25).abs() < 2e-4, "{good:?}");
    for (of, figure, trap, state) in [
        (OwnKind::Radial, right / cos, "cosine of 29.5° in it already", State::Bad),
        (OwnKind::Radial, 2.0 * right, "twice what is wanted", State::Bad),
        (OwnKind::Radial, right / 2.0, "half of what is wanted", State::Bad),
        (OwnKind::Compound, right, "depth straight in", State::Bad),
        (OwnKind::Compound, right / cos / cos, "divided by twice", State::Bad),
        // 0.6134 P, three eighths of it sharp: the external handbook depth for a flat of P/8 from the basic diameter.
        (OwnKind::Radial, 0.6495 * 2.5, "", State::Good),
    ] {
        let view = tested(&plan, of, figure);
        assert!(view.state == state && view.trap.unwrap_or_default().contains(trap), "{of:?} {figure}: {}", view.says);
    }
    // Each says what it would leave: twice the cosine's reciprocal too deep is so much on the diameter.
    let deep = tested(&plan, OwnKind::Radial, right / cos);
    assert!((18.25 - deep.gives_mm - 2.0 * right * (1.0 / cos - 1.0)).abs() < 1e-3 && deep.says.contains("past"), "{}", deep.says);
    // Square's rule of half the pitch on a Tr of another tip, and a tip nobody told.
    let untold = told("M20x2.5-6g", json!({}));
    let near = untold.run.limits_mm[0] + 0.02;
    let within = tested(&untold, OwnKind::Radial, untold.run.depth_of(near, untold.run.tip_to_pitch_mm));
    assert!(within.state == State::Unknown && within.says.contains("give or take"), "{}", within.says);
}

#[test]
fn a_percentage_and_a_wire_constant_are_tested_by_hand() {
    let nut = told("M36x1.5-6H", json!({}));
    // 75 % of 1.299038 · 1.5 is 1.4614: a bore of 34.539; the limits are 34.376 to 34.676.
    let good = tested(&nut, OwnKind::Percent, 75.0);
    assert!(good.state == State::Good && (good.gives_mm - 34.5386).abs() < 1e-3 && good.says.contains("90.0 %"), "{good:?}");
    // Of the basic depth 95 % would be in: of the sharp one it is too small a bore.
    let basic = tested(&nut, OwnKind::Percent, 95.0);
    assert!(basic.state == State::Bad && basic.trap.unwrap().contains("34.457"));
    let fault = |of, figure| own_figure(&nut.point(), &OwnFigure { of, figure }, Voice::default()).unwrap_err().0;
    assert_eq!((fault(OwnKind::Percent, 300.0), fault(OwnKind::Radial, 0.0)), ("/figure", "/figure"));
    let screw = told("M20x2.5-6g", json!({"gauge": {"wires_mm": [1.45, 1.6]}}));
    assert_eq!(own_figure(&screw.point(), &OwnFigure { of: OwnKind::Percent, figure: 75.0 }, Voice::default()).unwrap_err().0, "/of");
    // 3 w − 0.866025 P: with 1.45 it is 2.1849, with 1.6 2.6349.
    let wires = |figure| tested(&screw, OwnKind::WireConstant, figure);
    let used = screw.run.wires.unwrap().wire_mm;
    let (own, other) = if (used - 1.45).abs() < 1e-9 { (2.1849, 2.6349) } else { (2.6349, 2.1849) };
    assert!(wires(own).state == State::Good && wires(own).trap.is_none());
    let wrong = wires(other);
    assert!(wrong.state == State::Bad && (wrong.gives_mm.abs() - 0.45).abs() < 0.002 && wrong.trap.unwrap().contains("constant of the"), "{}", wrong.says);
    assert!(wires(3.0 * used).trap.unwrap().contains("left out"));
    let acme = sound(json!({"thread": {"callout": "1-1/4-5 Acme"}, "cut": {"style": "radial"}}));
    let wire = acme.run.wires.unwrap().wire_mm;
    let sixty = tested(&acme, OwnKind::WireConstant, 3.0 * wire - 0.866_025 * 5.08);
    assert!(sixty.state == State::Bad && sixty.trap.unwrap().contains("60°"), "{}", sixty.says);
}

/// What is offered to be tested is tested, and what does not serve here is not offered.
#[test]
fn what_is_offered_is_what_serves() {
    let lean = json!({"cut": {"style": "modified_flank", "compound_angle_deg": 29.5}});
    for (callout, more, wanted) in [
        ("M20x2.5-6g", lean.clone(), vec![OwnKind::Radial, OwnKind::Compound, OwnKind::WireConstant]),
        ("M36x1.5-6H", json!({"cut": {"style": "radial"}}), vec![OwnKind::Radial, OwnKind::Percent]),
        ("Tr28x5-7H", json!({"cut": {"style": "radial"}}), vec![OwnKind::Radial]),
    ] {
        let plan = told(callout, more);
        let offered = groove_sheet(&plan.point()).own;
        assert_eq!(offered, wanted, "{callout}");
        for (of, figure) in [(OwnKind::Radial, 1.0), (OwnKind::Percent, 75.0), (OwnKind::WireConstant, 2.0)] {
            let tested = own_figure(&plan.point(), &OwnFigure { of, figure }, Voice::default());
            assert_eq!(tested.is_ok(), offered.contains(&of), "{callout} {of:?}");
        }
    }
}
