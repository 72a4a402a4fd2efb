//! Every family: its form closes on itself, its members clear one another, its tip and wires serve it.

use proptest::prelude::*;
use serde_json::{Value, json};
use yoke_core::plan::Plan;
use yoke_core::quantity::real;
use yoke_core::thread::series::{Series, Standard, of_series, standards};
use yoke_core::thread::{Member, Side, System};
use yoke_trials::{SinglePoint, demo_lathe, reckon, sound, watches, with_the_tip_aimed_at};

fn planned(callout: &str) -> Plan {
    sound(json!({"thread": {"callout": callout}}))
}

fn bounds(range: &yoke_core::thread::Range) -> [Option<f64>; 2] {
    [range.min.as_ref().map(|q| q.value), range.max.as_ref().map(|q| q.value)]
}

/// One standard thread of every series and size there is, either member, either hand, some starts.
fn any_standard() -> impl Strategy<Value = (&'static Standard, Side, u8)> {
    (0..standards().len(), prop::bool::ANY, 1_u8..4)
        .prop_map(|(i, inside, starts)| (&standards()[i], if inside { Side::Internal } else { Side::External }, starts))
}

/// The flanks, crest and root of the drawn form, measured off the drawing itself: heights and widths.
fn drawn(plan: &Plan) -> (f64, f64, Vec<[f64; 2]>) {
    let line = &plan.thread.drawing.shapes.iter().find(|s| s.role == "thread.flank").unwrap().line;
    let low = line.iter().map(|p| p[1]).fold(f64::MAX, f64::min);
    let high = line.iter().map(|p| p[1]).fold(f64::MIN, f64::max);
    (low, high, line.clone())
}

proptest! {
    #![proptest_config(ProptestConfig::with_cases(400))]

    /// Flats, flanks and depth add up to the pitch and to the diameters.
    #[test]
    fn the_form_closes((standard, side, starts) in any_standard()) {
        let plan = sound(json!({"thread": {"callout": standard.name, "side": side, "starts": if side == Side::Internal { 1 } else { starts }}}));
        let (t, p) = (&plan.thread, real(&standard.pitch));
        let tan = (t.included_angle_deg / 2.0).to_radians().tan();
        let form = &t.basic_form;
        let (major, pitch, minor) = (t.major_mm.value, t.external.pitch_mm.basic.value, t.external.minor_mm.basic.value);
        prop_assert!((form.crest_flat_mm.value + form.root_flat_mm.value + 2.0 * form.depth_mm.value * tan - p).abs() < 1e-9);
        prop_assert!((major - 2.0 * form.depth_mm.value - minor).abs() < 1e-9);
        // Thread and gap are equal on the pitch line: the crest's flat widened to it is half the pitch.
        prop_assert!((form.crest_flat_mm.value + (major - pitch) * tan - p / 2.0).abs() < 1e-9);
        // What the standards print of the flats, to the rounding of their diameters.
        let slack = 3e-3 * p + 1.2e-3;
        let [crest, root] = match standard.system {
            System::IsoMetric | System::Unified => [0.125, 0.25],
            System::Acme => [0.3707, 0.3707],
            System::StubAcme => [0.4224, 0.4224],
            System::Trapezoidal => [0.36603, 0.36603],
            System::Whitworth | System::PipeG => [1.0 / 6.0, 1.0 / 6.0],
            _ => [0.236, 0.236],
        };
        prop_assert!((form.crest_flat_mm.value - crest * p).abs() < slack && (form.root_flat_mm.value - root * p).abs() < slack, "{}: {} {}", standard.name, form.crest_flat_mm.value / p, form.root_flat_mm.value / p);
        // The drawing reaches both diameters, and every straight piece of it lies at the half angle.
        let (low, high, line) = drawn(&plan);
        prop_assert!((2.0 * low - minor).abs() < 1e-9 && (2.0 * high - major).abs() < 1e-9);
        let steepest = line.windows(2).map(|w| ((w[1][0] - w[0][0]) / (w[1][1] - w[0][1])).abs()).filter(|s| s.is_finite()).fold(f64::MAX, f64::min);
        let off = if form.radius_mm.is_some() { 0.02 } else { 1e-6 };
        prop_assert!((steepest - tan).abs() < off, "{}: {steepest} but {tan}", standard.name);
        prop_assert!(line.windows(2).all(|w| w[1][0] >= w[0][0] - 1e-9), "{}: the outline runs on", standard.name);
    }

    /// A screw and a nut of one callout always assemble, at any of their limits, and neither is upside down.
    #[test]
    fn the_members_clear_one_another((standard, side, starts) in any_standard()) {
        let plan = sound(json!({"thread": {"callout": standard.name, "side": side, "starts": starts}}));
        let (e, i) = (&plan.thread.external, &plan.thread.internal);
        let room = |outer: &yoke_core::thread::Range, inner: &yoke_core::thread::Range| bounds(outer)[0].unwrap() - bounds(inner)[1].unwrap();
        prop_assert!(room(&i.pitch_mm, &e.pitch_mm) > -1e-9, "{}", standard.name);
        prop_assert!(room(&i.major_mm, &e.major_mm) > -1e-9, "{}", standard.name);
        // The Unified nut's minor is printed to the thou, so it may stand half a thou inside the basic.
        prop_assert!(room(&i.minor_mm, &e.minor_mm) > -0.013, "{}", standard.name);
        for range in [&e.major_mm, &e.pitch_mm, &e.minor_mm, &i.major_mm, &i.pitch_mm, &i.minor_mm] {
            if let [Some(low), Some(high)] = bounds(range) {
                prop_assert!(low < high && high - low < real(&standard.pitch), "{}: {low} {high}", standard.name);
            }
        }
        // Crest over pitch over root, on both.
        let order = |m: &Member| bounds(&m.major_mm)[0].unwrap() > bounds(&m.pitch_mm)[1].unwrap() && bounds(&m.pitch_mm)[0].unwrap() > bounds(&m.minor_mm)[1].unwrap();
        prop_assert!(order(e) && order(i), "{}", standard.name);
    }

    /// The tip aimed at, sent to the size aimed at, leaves a root that clears the mate and keeps its limits.
    #[test]
    fn the_tip_aimed_at_leaves_a_sound_root((standard, side, _) in any_standard()) {
        let plan = sound(with_the_tip_aimed_at(json!({"thread": {"callout": standard.name, "side": side}, "lathe": demo_lathe(0)})));
        let tip = &plan.point().bit.tip_flat_mm;
        prop_assert!(tip.min.value <= tip.aim.value + 1e-9 && tip.aim.value <= tip.max.value + 1e-9, "{}: {} {} {}", standard.name, tip.min.value, tip.aim.value, tip.max.value);
        for code in ["tip_too_wide", "root_past_minor"] {
            prop_assert!(!watches(&plan, "warn", code), "{} {side:?}: {code}", standard.name);
        }
        // By coordinates: the tip's corner lies on the flank through the pitch line at a quarter pitch.
        let t = &plan.thread;
        let tan = (t.included_angle_deg / 2.0).to_radians().tan();
        if t.basic_form.radius_mm.is_none() {
            let corner_x = real(&standard.pitch) / 4.0 - tip.aim.value / 2.0;
            prop_assert!((plan.point().bit.tip_to_pitch_mm.value * tan - corner_x).abs() < 1e-9, "{}", standard.name);
        }
        let infeed = plan.point().cut.radial_mm.value;
        let turned = plan.blank.used_mm.value;
        let sign = if side == Side::External { -1.0 } else { 1.0 };
        let root = turned + sign * 2.0 * infeed;
        let reached = plan.point().cut.target_pitch_diameter_mm.value + sign * 2.0 * plan.point().bit.tip_to_pitch_mm.value;
        prop_assert!((root - reached).abs() < 1e-9, "{}", standard.name);
    }

    /// A wire that serves touches the straight flank, by a circle set in the groove and not by the formula.
    #[test]
    fn wires_seat_on_the_straight_flank((standard, _, _) in any_standard(), share in 0.0_f64..1.0) {
        let plan = planned(&standard.name);
        let t = &plan.thread;
        let (alpha, p) = ((t.included_angle_deg / 2.0).to_radians(), real(&standard.pitch));
        let usable = plan.gauge.usable_mm.as_ref().unwrap();
        let w = usable.min.value + share * (usable.max.value - usable.min.value);
        // Lower the circle until it first touches the flank line x = P/4 + y·tan α (y up from the pitch line).
        let centre = w / (2.0 * alpha.sin()) - p / (4.0 * alpha.tan());
        let touch = centre - w / 2.0 * alpha.sin();
        let crest = (t.major_mm.value - t.external.pitch_mm.basic.value) / 2.0;
        let round = t.basic_form.radius_mm.as_ref().map_or(0.0, |r| r.value * (1.0 - alpha.sin()));
        prop_assert!(touch <= crest - round + 1e-9 && touch >= -crest + round - 1e-9, "{}: {touch} of {crest}", standard.name);
        prop_assert!(centre + w / 2.0 >= crest - 1e-9, "{}: the wire stands above the crests", standard.name);
        // At the ends of the range it just does.
        let at = |w: f64| w / (2.0 * alpha.sin()) - p / (4.0 * alpha.tan()) - w / 2.0 * alpha.sin();
        prop_assert!((at(usable.max.value) - (crest - round)).abs() < 1e-9);
    }
}

#[test]
fn wire_ranges_are_the_shares_of_the_pitch_the_trade_knows() {
    for (callout, pitch, least, most) in
        [("M20", 2.5, 0.505, 1.010), ("1 BSW", 3.175, 0.506, 0.853), ("2BA", 0.81, 0.499, 0.731), ("1-5 Acme", 5.08, 0.487, 0.650)]
    {
        let usable = planned(callout).gauge.usable_mm.unwrap();
        assert!(
            (usable.min.value / pitch - least).abs() < 2e-3 && (usable.max.value / pitch - most).abs() < 3e-3,
            "{callout}: {} {}",
            usable.min.value / pitch,
            usable.max.value / pitch
        );
    }
}

#[test]
fn acme_tips_lie_about_the_handbook_tip() {
    for standard in of_series(Series::Acme) {
        let bit = planned(&standard.name).point().bit.clone();
        let handbook = bit.handbook_flat_mm.clone().unwrap().value;
        assert!(handbook > bit.tip_flat_mm.min.value - 0.03 && handbook < bit.tip_flat_mm.max.value + 0.03, "{}", standard.name);
    }
    // By hand for 1-5: E at the middle 0.8823, root 0.7509 to 0.78: P/2 − (E − root)·tan 14.5°.
    let tip = planned("1-5 Acme").point().bit.tip_flat_mm.clone();
    let flat = |root: f64| (0.1 - (0.8823 - root) * 14.5_f64.to_radians().tan()) * 25.4;
    assert!((tip.min.value - flat(0.7509)).abs() < 2e-3 && (tip.max.value - flat(0.78)).abs() < 2e-3, "{} {}", tip.min.value, tip.max.value);
}

#[test]
fn a_square_thread_is_planned_without_wires_or_slant() {
    let plan = sound(json!({"thread": {"callout": "Sq 30x6", "clearance_mm": 0.2}, "blank": {"diameter_mm": 30}, "bit": {"tip_flat_mm": 3.08}}));
    // By hand: root 30 − 6 − 0.2 = 23.8 at most, 0.17 of band under it; aim the middle: 23.715. From 30 that is 3.1425 deep.
    assert!((plan.thread.external.minor_mm.max.as_ref().unwrap().value - 23.8).abs() < 1e-9);
    assert!((plan.point().cut.radial_mm.value - 3.1425).abs() < 1e-9, "{}", plan.point().cut.radial_mm.value);
    assert!(plan.point().cut.compound_mm.is_none() && plan.gauge.wire_mm.is_none() && plan.gauge.best_mm.is_none());
    assert!(plan.gauge.says.contains("23.715"), "{}", plan.gauge.says);
    // Even passes: straight sides take the same area at every step.
    let cuts: Vec<f64> = plan.point().cut.passes.iter().filter(|p| p.n > 0).map(|p| p.asked_radial_mm.value).collect();
    assert!((cuts[1] - 2.0 * cuts[0]).abs() < 1e-9);
    let faults = reckon(json!({"thread": {"callout": "Sq 30x6"}, "cut": {"style": "flank"}, "bit": {"tip_radius_mm": 0.2}})).unwrap_err();
    assert_eq!(faults.len(), 2, "{faults:?}");
}

#[test]
fn a_special_is_what_its_owner_says() {
    let special = |form: Value| reckon(json!({"thread": {"special": form}}));
    // The same sizes as M20×2.5 give the same form.
    let plan = special(json!({"major_mm": 20, "pitch_mm": 2.5, "included_angle_deg": 60, "crest_flat_mm": 0.3125, "root_flat_mm": 0.625})).unwrap();
    assert!((plan.thread.external.pitch_mm.basic.value - 18.376).abs() < 1e-3 && (plan.thread.external.minor_mm.basic.value - 17.294).abs() < 1e-3);
    // A lathe's own ratio is exact in threads per inch.
    let inch = special(json!({"major_mm": 22.05, "tpi": 9, "minor_mm": 18.4, "included_angle_deg": 55})).unwrap();
    assert_eq!((inch.point().gears.required_ratio.as_str(), inch.thread.half_angle_deg), ("4/9", Some(27.5)));
    assert!((inch.thread.external.minor_mm.basic.value - 18.4).abs() < 1e-9);
    for (form, pointer) in [
        (json!({"pitch_mm": 2.5}), "/thread/special/major_mm"),
        (json!({"major_mm": 20}), "/thread/special/pitch_mm"),
        (json!({"major_mm": 20, "pitch_mm": 2.5, "tpi": 9}), "/thread/special/pitch_mm"),
        (json!({"major_mm": 20, "pitch_mm": 2.5, "included_angle_deg": 2}), "/thread/special/included_angle_deg"),
        (json!({"major_mm": 20, "pitch_mm": 2.5, "minor_mm": 15, "included_angle_deg": 60}), "/thread/special/minor_mm"),
        (json!({"major_mm": 20, "pitch_mm": 2.5, "minor_mm": 17, "root_flat_mm": 0.1}), "/thread/special/root_flat_mm"),
        (json!({"major_mm": 20, "pitch_mm": 16}), "/thread/special/pitch_mm"),
    ] {
        let faults = special(form.clone()).unwrap_err();
        assert!(faults.iter().any(|f| f.pointer == pointer), "{form}: {faults:?}");
    }
    let both = reckon(json!({"thread": {"callout": "M20", "special": {"major_mm": 20, "pitch_mm": 2.5}}})).unwrap_err();
    assert_eq!(both[0].pointer, "/thread/special");
}

#[test]
fn classes_belong_to_their_family() {
    for (callout, part) in [
        ("1-5 Acme-5G", "2G, 3G or 4G"),
        ("1-5 Stub Acme-3G", "there is one"),
        ("Tr20x4-6g", "7e or 8e"),
        ("1 BSW tight", "close, medium or free"),
        ("G1 C", "A or B"),
        ("2BA-6g", "no classes"),
        ("Tr20x4.5", "no pitch of 4.5"),
        ("G1-3/8", "no pipe size"),
        ("30BA", "0BA"),
        ("5/8-12 BSW", "5/8 BSW"),
        ("5/8-12 BSF", "5/8 BSF"),
    ] {
        let faults = reckon(json!({"thread": {"callout": callout}})).unwrap_err();
        assert!(faults[0].detail.contains(part), "{callout}: {}", faults[0].detail);
    }
    // Wider classes are wider, by the ratios their standards give.
    let width = |callout: &str| {
        let [low, high] = bounds(&planned(callout).thread.external.pitch_mm);
        high.unwrap() - low.unwrap()
    };
    assert!((width("1 BSW close") / width("1 BSW") - 2.0 / 3.0).abs() < 0.02 && (width("1 BSW free") / width("1 BSW") - 1.5).abs() < 0.02);
    assert!((width("G1 B") / width("G1 A") - 2.0).abs() < 1e-9);
    assert!(width("1-5 Acme-4G") < width("1-5 Acme-3G") && width("1-5 Acme-3G") < width("1-5 Acme-2G"));
    assert!((width("Tr40x14(P7)") / width("Tr40x7") - 1.12).abs() < 2e-3);
    // Either member of a pair keeps the class given.
    assert_eq!(planned("1-5 Acme-3G").thread.internal.class, "3G");
}

#[test]
fn over_wires_are_the_published_examples() {
    // 1-5 Acme at 0.9 in over 0.10329 in; and four starts of 1/2-10 Acme at 0.45 in over 0.0517 in: simple and corrected.
    for (callout, starts, target, wire, simple, corrected, settled) in
        [("1-5 Acme", 1, 0.9, 0.10329, 1.029_152, 1.030_119, 1.030_089), ("1/2-10 Acme", 4, 0.45, 0.0517, 0.514_850, 0.522_598, 0.522_014)]
    {
        let plan = sound(
            json!({"thread": {"callout": callout, "starts": starts}, "cut": {"target_pitch_diameter_mm": target * 25.4}, "gauge": {"wires_mm": [wire * 25.4]}}),
        );
        let formulas = plan.gauge.formulas.as_ref().unwrap();
        assert!((formulas.simple.value / 25.4 - simple).abs() < 1e-6, "{callout}: {}", formulas.simple.value / 25.4);
        assert!((formulas.approximate.value / 25.4 - corrected).abs() < 2e-6, "{callout}: {}", formulas.approximate.value / 25.4);
        // The trade corrects Acme without being asked; four starts lead so steeply that the correction itself is out by 15 µm.
        let exact = formulas.exact.as_ref().unwrap().value;
        assert!((exact / 25.4 - settled).abs() < 1e-6, "{callout}: {}", exact / 25.4);
        let used = if starts == 1 { formulas.approximate.value } else { exact };
        assert!(plan.gauge.corrected && (plan.gauge.over_wires_mm.unwrap().target.value - used).abs() < 1e-9, "{}", formulas.says);
    }
    for (callout, corrected) in [("1 BSW", false), ("2BA", false), ("M20", false), ("Tr28x5", true), ("M20 2 start", true), ("G1", false)] {
        assert_eq!(planned(callout).gauge.corrected, corrected, "{callout}");
    }
}

/// Limits by hand, in the unit of the standard: screw pitch, screw root, nut pitch, nut minor; lower then upper.
#[test]
fn other_classes_by_hand() {
    let unit = |callout: &str, inch: bool| {
        let plan = planned(callout);
        let scale = if inch { 25.4 } else { 1.0 };
        move |internal: bool, which: &str| -> [f64; 2] {
            let member = if internal { &plan.thread.internal } else { &plan.thread.external };
            let range = match which {
                "pitch" => &member.pitch_mm,
                "major" => &member.major_mm,
                _ => &member.minor_mm,
            };
            bounds(range).map(|v| v.map_or(f64::NAN, |v| v / scale))
        }
    };
    let close = |got: [f64; 2], wanted: [f64; 2], slack: f64, what: &str| {
        assert!((got[0] - wanted[0]).abs() <= slack && (got[1] - wanted[1]).abs() <= slack, "{what}: {got:?} but {wanted:?}");
    };
    // 1-5 Acme-3G: allowance 0.006, tolerance 0.0028 + 0.014√0.2 = 0.0090609; 4G: 0.004 and 0.0064721.
    let g3 = unit("1-5 Acme-3G", true);
    close(g3(false, "pitch"), [0.894 - 0.0091, 0.894], 6e-5, "3G screw");
    close(g3(true, "pitch"), [0.9, 0.9091], 6e-5, "3G nut");
    let g4 = unit("1-5 Acme-4G", true);
    close(g4(false, "pitch"), [0.896 - 0.0065, 0.896], 6e-5, "4G screw");
    close(g4(false, "minor"), [0.78 - 1.5 * 0.0065, 0.78], 1e-4, "4G root");
    // Finer than 10 TPI the clearance halves: 5/16-14, D 0.3125, minor 0.3125 − 1/14 − 0.010.
    let fine = unit("5/16-14 Acme", true);
    assert!((fine(false, "minor")[1] - (0.3125 - 1.0 / 14.0 - 0.010)).abs() < 1e-6);
    assert!((fine(true, "major")[0] - 0.3225).abs() < 1e-6);
    // 1-5 Stub: E 0.94 less 0.008; tolerance 0.0194; root 0.86 less the same; major − 0.05P.
    let stub = unit("1-5 Stub Acme", true);
    close(stub(false, "pitch"), [0.932 - 0.0194, 0.932], 6e-5, "stub screw");
    close(stub(false, "minor"), [0.86 - 0.0194, 0.86], 6e-5, "stub root");
    close(stub(false, "major"), [0.99, 1.0], 1e-9, "stub crest");
    // Tr20×4-8e: Td2(6) 212 eight steps on is 335; es 95; d3 tolerance 1.25·335 + 95. 8H: 2.12·212 = 449.4 → 450.
    let eight = unit("Tr20x4-8e", false);
    close(eight(false, "pitch"), [17.905 - 0.335, 17.905], 1e-9, "8e screw");
    close(eight(false, "minor"), [15.5 - 0.514, 15.5], 1e-9, "8e root");
    close(unit("Tr20x4-8H", false)(true, "pitch"), [18.0, 18.45], 1e-9, "8H nut");
    // Two starts widen by 1.12: Td2 of Tr40×7 is grade 6 280 (fallback 90·7^0.4·31.75^0.1 = 277) plus four steps, 355.
    close(unit("Tr40x7", false)(false, "pitch"), [36.375 - 0.355, 36.375], 1e-9, "Tr40");
    close(unit("Tr40x14(P7)", false)(false, "pitch"), [36.375 - 0.398, 36.375], 1e-9, "Tr40, two starts");
    // 1 BSW: T = 0.002 + 0.003 + 0.005·√0.125 = 0.0067678; crest + 0.01√P = 0.0103; root + 0.02√P = 0.0138.
    let bsw = unit("1 BSW", true);
    close(bsw(false, "pitch"), [0.92 - 0.0068, 0.92], 6e-5, "BSW screw");
    close(bsw(false, "major"), [1.0 - 0.0103, 1.0], 6e-5, "BSW crest");
    close(bsw(false, "minor"), [0.8399 - 0.0138, 0.8399], 1.1e-4, "BSW root");
    close(bsw(true, "pitch"), [0.92, 0.92 + 0.0068], 6e-5, "BSW nut");
    close(unit("1 BSW free", true)(false, "pitch"), [0.92 - 0.0102, 0.92], 6e-5, "BSW free");
    // G1: pitch 0.180, major 0.360, socket minor 0.640; class B doubles the first alone.
    let g = unit("G1", false);
    close(g(false, "pitch"), [31.77 - 0.18, 31.77], 1e-9, "G1");
    close(g(false, "major"), [33.249 - 0.36, 33.249], 1e-9, "G1 crest");
    close(g(true, "minor"), [30.291, 30.931], 1e-9, "G1 socket");
    close(unit("G1 B", false)(false, "pitch"), [31.77 - 0.36, 31.77], 1e-9, "G1 B");
    close(unit("G1 B", false)(false, "major"), [33.249 - 0.36, 33.249], 1e-9, "G1 B crest");
    for (callout, pitch) in [("G1/16", 0.107), ("G1/8", 0.107), ("G3/8", 0.125), ("G7/8", 0.142), ("G2", 0.18), ("G2-1/4", 0.217), ("G6", 0.217)] {
        let [low, high] = unit(callout, false)(false, "pitch");
        assert!((high - low - pitch).abs() < 1e-9, "{callout}");
    }
}

proptest! {
    #![proptest_config(ProptestConfig::with_cases(200))]

    /// Every family, both members: the last pass leaves the size aimed at, never past it, and no pass goes back.
    #[test]
    fn every_family_is_cut_to_its_aim((standard, side, starts) in any_standard(), lathe in 0_usize..3) {
        let plan = sound(with_the_tip_aimed_at(json!({"thread": {"callout": standard.name, "side": side, "starts": starts}, "lathe": demo_lathe(lathe)})));
        let aim = plan.point().cut.target_pitch_diameter_mm.value;
        let inside = side == Side::Internal;
        let Some(last) = plan.point().cut.passes.last() else {
            prop_assert!(plan.point().cut.radial_mm.value <= 0.05 + 1e-9, "{}: only where there is next to nothing to cut", standard.name);
            return Ok(());
        };
        let left = if inside { aim - last.pitch_diameter_mm.value } else { last.pitch_diameter_mm.value - aim };
        // Half a division on the slide's own dial, turned into diameter.
        let half = plan.point().cut.dial.graduation_mm / plan.point().cut.dial.reading_per_radial;
        prop_assert!(left >= -1e-9 && left <= half + 1e-9, "{}: {left} of {half}", standard.name);
        prop_assert!(plan.point().cut.passes.windows(2).all(|w| w[1].radial_mm >= w[0].radial_mm - 1e-12));
        prop_assert!(plan.point().cut.angle_deg <= (plan.thread.included_angle_deg / 2.0) + 1e-9, "{}: the slide never leans past the flank", standard.name);
        // The relief angles follow the lead: leading over trailing, unless the floor of two degrees speaks.
        if !inside {
            let (leading, trailing) = (&plan.point().bit.leading_relief_deg, &plan.point().bit.trailing_relief_deg);
            prop_assert!(leading.value > 6.0 && trailing.value >= 2.0 && trailing.value < 6.0, "{}", standard.name);
        }
    }

    /// A reading over wires and the pitch diameter it stands for are one size, by the seat and not the formula.
    #[test]
    fn wires_read_back_as_the_size((standard, _, starts) in any_standard(), share in 0.0_f64..1.0) {
        let plan = sound(json!({"thread": {"callout": standard.name, "starts": starts}, "gauge": {"lead_correction": "none"}}));
        let Some(wires) = &plan.gauge.over_wires_mm else { return Ok(()) };
        let (low, high) = (plan.gauge.min_mm.value, plan.gauge.max_mm.value);
        let e = low + share * (high - low);
        let alpha = (plan.thread.included_angle_deg / 2.0).to_radians();
        let w = plan.gauge.wire_mm.as_ref().unwrap().value;
        // A circle of the wire's radius let down between the two flank lines until it stops, found by halving.
        let (mut a, mut b) = (-10.0 * w, 10.0 * w);
        for _ in 0..100 {
            let y = f64::midpoint(a, b);
            let reach = (real(&standard.pitch) / 4.0 + y * alpha.tan()) * alpha.cos();
            if reach < w / 2.0 { a = y } else { b = y }
        }
        let over = e + 2.0 * (b + w / 2.0);
        let between = wires.min.value + share * (wires.max.value - wires.min.value);
        prop_assert!((over - between).abs() < 1e-6, "{}: {over} {between}", standard.name);
    }

    /// Any special that is taken closes on itself and cuts like any other; what is refused names its field.
    #[test]
    fn any_special_closes_or_is_refused(d in 2.0_f64..120.0, p in 0.2_f64..12.0, angle in prop_oneof![Just(0.0), 3.0_f64..120.0], depth in prop::option::of(0.1_f64..1.2), crest in prop::option::of(0.0_f64..0.5), inside: bool) {
        let mut special = json!({"major_mm": (d * 1e3).round() / 1e3, "pitch_mm": (p * 1e3).round() / 1e3, "included_angle_deg": angle});
        if let Some(depth) = depth { special["minor_mm"] = json!(d - 2.0 * depth * p); }
        if let Some(crest) = crest { special["crest_flat_mm"] = json!(crest * p); }
        match reckon(json!({"thread": {"special": special, "side": if inside { "internal" } else { "external" }}})) {
            Err(faults) => prop_assert!(faults.iter().all(|f| f.pointer.starts_with("/thread/special")), "{faults:?}"),
            Ok(plan) => {
                let form = &plan.thread.basic_form;
                let tan = (angle / 2.0_f64).to_radians().tan();
                let pitch = plan.thread.pitch_mm.value;
                prop_assert!((form.crest_flat_mm.value + form.root_flat_mm.value + 2.0 * form.depth_mm.value * tan - pitch).abs() < 1e-6);
                prop_assert!(form.depth_mm.value > 0.0 && plan.point().cut.radial_mm.value.is_finite() && plan.point().bit.tip_flat_mm.aim.value >= 0.0, "{special}");
            }
        }
    }
}
