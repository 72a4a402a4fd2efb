//! The bit: reliefs by planes and helicoids met numerically, flanks by sweeping the edge, bars by laying them in the bore.

use proptest::prelude::*;
use serde_json::{Value, json};
use std::f64::consts::TAU;
use yoke_core::bit::{Edges, flanks, sheet};
use yoke_core::job::Grinder;
use yoke_core::outline::Drawing;
use yoke_core::plan::Plan;
use yoke_core::thread::Side;
use yoke_core::voice::Voice;
use yoke_trials::{SinglePoint, demo_lathe, reckon, sound, watches};

fn plan(callout: &str, hand: &str, bit: Value) -> Plan {
    sound(json!({"thread": {"callout": callout, "hand": hand}, "bit": bit, "lathe": demo_lathe(1)}))
}

type V = [f64; 3];
fn cross(a: V, b: V) -> V {
    [a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]]
}
fn unit(a: V) -> V {
    let long = a.iter().map(|v| v * v).sum::<f64>().sqrt();
    a.map(|v| v / long)
}

const THREADS: [&str; 9] = ["M20x2.5", "7/8-9", "1-1/4-5 Acme", "Tr28x5", "5/8 BSW", "2BA", "M36x1.5", "Tr40x14(P7)", "G1-1/4"];

#[test]
fn outside_the_sides_clear_the_helicoid_by_the_working_clearance() {
    for callout in THREADS {
        for hand in ["right", "left"] {
            let p = plan(callout, hand, json!({}));
            let (lead, c) = (p.thread.lead_mm.value, p.point().bit.clearance_deg);
            // The root the sharpest tip leaves: a V may be sharp, the rest as narrow as is allowed, a round form as it is.
            let low = p.thread.external.pitch_mm.min.as_ref().unwrap().value;
            let tan = (p.thread.included_angle_deg / 2.0).to_radians().tan();
            let sharp =
                (p.thread.pitch_mm.value / 2.0 - if p.thread.included_angle_deg > 50.0 { 0.0 } else { p.point().bit.tip_flat_mm.min.value }) / (2.0 * tan);
            let h = if p.point().bit.tip_radius_mm.is_some() && p.thread.included_angle_deg < 56.0 { p.point().bit.tip_to_pitch_mm.value } else { sharp };
            let minor = low / 2.0 - h;
            let major = p.thread.major_mm.value / 2.0;
            // The helicoid z = L·φ/2π at radius r, cut at a small drop under the edge: its slope seen from the front.
            let slope = |r: f64| {
                let drop = 1e-6 * r;
                (lead * (drop / r).asin() / TAU / drop).atan().to_degrees()
            };
            assert!((p.point().bit.leading_relief_deg.value - slope(minor) - c).abs() < 0.005, "{callout}");
            let left = p.point().bit.trailing_relief_deg.value + slope(major);
            assert!((left - c).abs() < 0.005 || (p.point().bit.trailing_relief_deg.value - 2.0).abs() < 1e-9 && left > c, "{callout}");
            // Sides are named for how the bit is held: right-hand, toward the headstock, its leading side is the left.
            let leading = &p.point().bit.grind.sides[0];
            assert_eq!(
                (leading.faces.as_str(), leading.held),
                if hand == "right" { ("toward the headstock", "left") } else { ("toward the tailstock", "right") }
            );
        }
    }
}

#[test]
fn in_a_bore_no_point_of_the_side_comes_nearer_than_the_working_clearance() {
    for (callout, bar) in [("M36x1.5-6H", 12.0), ("M20x2.5-6H", 10.0), ("1-1/4-5 Acme-2G", 14.0), ("Tr40x14(P7)-7H", 16.0), ("5/8 BSW", 8.0)] {
        let request = json!({"thread": {"callout": callout, "side": "internal"}, "bit": {"bar_diameter_mm": bar}});
        let p = sound(request);
        let (lead, c, alpha) = (p.thread.lead_mm.value, p.point().bit.clearance_deg, (p.thread.included_angle_deg / 2.0).to_radians());
        let (bore, root, t) = ((p.thread.major_mm.value / 2.0 - p.thread.basic_form.depth_mm.value), p.thread.major_mm.value / 2.0, bar / 2.0);
        // A point of the tool's side at depth y and distance x, its groove at the radius it stands at and turned by the arc:
        // what the side must fall in by, over the depth. Only what lies in the groove counts.
        let least = |rises: f64| {
            let mut most = f64::MIN;
            for k in 1..=400 {
                let y = t * f64::from(k) / 400.0;
                for j in 0..=400 {
                    let x = (bore * bore - y * y).sqrt() + (root - (bore * bore - y * y).sqrt()) * f64::from(j) / 400.0;
                    let r = x.hypot(y);
                    if r >= bore && r <= root {
                        most = most.max(((r - x) * alpha.tan() + rises * lead * (y / x).atan() / TAU) / y);
                    }
                }
            }
            most.atan().to_degrees()
        };
        let leading = p.point().bit.leading_relief_deg.value - least(1.0);
        assert!((leading - c).abs() < 0.005, "{callout}: {leading} of {c}");
        let trailing = p.point().bit.trailing_relief_deg.value - least(-1.0);
        assert!((trailing - c).abs() < 0.005 || (p.point().bit.trailing_relief_deg.value - 2.0).abs() < 1e-9 && trailing > c, "{callout}: {trailing} of {c}");
        // The bench formula takes the rise at the edge all the way down; the app shows it, and it is out by as much as it differs.
        let bench = p.point().bit.grind.sides[0].bench_deg.as_ref().unwrap().value;
        let fall = (bore - (bore * bore - t * t).sqrt()) / t;
        let by_hand = (lead / (TAU * bore) + alpha.tan() * fall).atan().to_degrees();
        assert!((bench - c - by_hand).abs() < 0.005, "{callout}");
        let out = by_hand - least(1.0);
        assert!((bench - p.point().bit.leading_relief_deg.value - out).abs() < 0.005 && out <= 0.005, "{callout}: the bench formula is short by {out}");
    }
}

#[test]
fn rest_angles_and_the_nose_are_those_of_planes_met() {
    for callout in ["M20x2.5", "7/8-9", "5/8 BSW", "2BA"] {
        let p = plan(callout, "right", json!({}));
        let alpha = (p.thread.included_angle_deg / 2.0).to_radians();
        // x along the work's axis, y into the work, z up. Each flank holds its edge in the top face and falls in under it.
        let normal = |side: f64, front: f64| unit(cross([side * alpha.sin(), -alpha.cos(), 0.0], [-side * front.to_radians().tan(), 0.0, -1.0]));
        let grind = &p.point().bit.grind;
        let [n1, n2] = [(1.0, &grind.sides[0]), (-1.0, &grind.sides[1])].map(|(side, s)| normal(side, s.front_deg.value));
        for (n, side) in [(n1, &grind.sides[0]), (n2, &grind.sides[1])] {
            // Square to the edge the plane leans from upright by what its normal leans from level.
            let rest = n[2].abs().asin().to_degrees();
            assert!((rest - side.rest_deg.value).abs() < 0.005, "{callout}: {rest}");
        }
        let nose = unit(cross(n1, n2));
        let leans = (nose[1].abs() / nose[2].abs()).atan().to_degrees();
        assert!((leans - grind.nose_deg.value).abs() < 0.005, "{callout}: {leans}");
    }
    // By hand, M20×2.5, its point sharp: root 18.164 − 2 × 1.0825 = 15.999, so atan(2.5/50.26) = 2.848; 6 + 2.848 leading, 6 − 2.279 trailing;
    // tan 8.848° and tan 3.721° times cos 30° are 0.1348 and 0.0563 square to the edges, so tan is 0.1911 under the point.
    let p = plan("M20x2.5", "right", json!({}));
    assert!(
        (p.point().bit.leading_relief_deg.value - 8.848).abs() < 0.01 && (p.point().bit.grind.nose_deg.value - 10.82).abs() < 0.005,
        "{} {}",
        p.point().bit.leading_relief_deg.value,
        p.point().bit.grind.nose_deg.value
    );
}

/// The edge swept: points along it turned by matrices, each carried along its helix to one half-plane of the work, joined, and read at two radii.
fn swept(edges: &Edges, out: f64, root: f64, crest: f64) -> [f64; 2] {
    let [rake, square] = [edges.rake_deg, edges.square_deg].map(f64::to_radians);
    [1.0, -1.0].map(|side| {
        let points: Vec<(f64, f64)> = (0..=8000)
            .map(|i| {
                let u = f64::from(i) / 8000.0 * 4.0 * (crest - root).abs();
                let face = [u, side * (edges.flat_mm / 2.0 + u * edges.flanks_deg[0].to_radians().tan()), 0.0];
                let raked = [face[0] * rake.cos(), face[1], -face[0] * rake.sin()];
                let turned = [raked[0] * square.cos() + raked[1] * square.sin(), -raked[0] * square.sin() + raked[1] * square.cos(), raked[2]];
                let x = (root.powi(2) - edges.height_mm.powi(2)).sqrt() + out * turned[0];
                let y = edges.height_mm + turned[2];
                // The work's half-plane comes down from above at a turn in the time the carriage goes a lead: when it meets this point, by halving.
                let at = |t: f64| y.atan2(x) + TAU * t;
                let (mut early, mut late) = (-0.5, 0.5);
                for _ in 0..40 {
                    let middle = f64::midpoint(early, late);
                    if at(middle) < 0.0 { early = middle } else { late = middle }
                }
                ((x * x + y * y).sqrt(), turned[1] + edges.lead_mm * late)
            })
            .collect();
        let at = |radius: f64| {
            let i = points.windows(2).position(|w| (w[0].0 - radius) * (w[1].0 - radius) <= 0.0).unwrap();
            let (a, b) = (points[i], points[i + 1]);
            a.1 + (b.1 - a.1) * (radius - a.0) / (b.0 - a.0)
        };
        let from = points[0];
        (side * (at(crest) - from.1)).atan2((crest - from.0).abs()).to_degrees()
    })
}

proptest! {
    #[test]
    fn flanks_are_those_of_the_edge_swept(
        half in 13.0_f64..31.0, flat in 0.05_f64..1.0, rake in 0.0_f64..20.0, square in -3.0_f64..3.0, height in -0.4_f64..0.4,
        crest in 5.0_f64..40.0, depth in 0.5_f64..3.0, external in any::<bool>(), climbs in 0.0_f64..20.0,
    ) {
        // Up to twenty degrees of lead.
        let lead = TAU * crest * climbs.to_radians().tan();
        let (root, out) = if external { (crest - depth, 1.0) } else { (crest + depth, -1.0) };
        let edges = Edges { flanks_deg: [half; 2], flat_mm: flat, rake_deg: rake, square_deg: square, height_mm: height, lead_mm: lead };
        let (ours, swept) = (flanks(&edges, external, root, crest), swept(&edges, out, root, crest));
        for (a, b) in ours.iter().zip(swept) {
            // Along the axis, a micrometre over the whole depth.
            prop_assert!((a.to_radians().tan() - b.to_radians().tan()).abs() * depth < 1e-3, "{ours:?} {swept:?}");
        }
    }

    /// Ground in the raked face as told, the form comes true; the bench formula is off by what is said.
    #[test]
    fn a_raked_bit_ground_as_told_cuts_true(rake in 1.0_f64..25.0, which in 0_usize..3, internal in any::<bool>()) {
        let callout = ["M20x2.5", "M36x1.5", "7/8-9"][which];
        let p = sound(json!({"thread": {"callout": callout, "side": if internal { "internal" } else { "external" }}, "bit": {"rake_deg": rake}}));
        let half = p.point().bit.grind.raked_deg.as_ref().unwrap().value / 2.0;
        let deep = p.point().cut.radial_mm.value;
        let crest = p.blank.used_mm.value / 2.0;
        let root = if internal { crest + deep } else { crest - deep };
        let edges = Edges { flanks_deg: [half; 2], flat_mm: 0.0, rake_deg: rake, square_deg: 0.0, height_mm: 0.0, lead_mm: 0.0 };
        for cut in flanks(&edges, !internal, root, crest) {
            prop_assert!((cut - (p.thread.included_angle_deg / 2.0)).abs() < 0.01, "{callout} {cut}");
        }
        // With its lead it cuts one flank wider and the other closer, by as much.
        let [leading, trailing] = flanks(&Edges { lead_mm: p.thread.lead_mm.value, ..edges }, !internal, root, crest);
        prop_assert!(leading > trailing && (leading + trailing - p.thread.included_angle_deg).abs() < 0.06, "{callout} {leading} {trailing}");
        prop_assert!(p.point().bit.grind.rake_says.contains("the bench formula"));
    }
}

#[test]
fn the_lead_opens_the_leading_flank_of_a_raked_edge() {
    // Given with the rules: Tr 48×16(P8) at 5° of rake cuts 15.54° and 14.55°.
    let crest = 24.0;
    let root = crest - 4.5;
    let edges = Edges { flanks_deg: [15.0; 2], flat_mm: 2.7, rake_deg: 5.0, square_deg: 0.0, height_mm: 0.0, lead_mm: 16.0 };
    let [leading, trailing] = flanks(&edges, true, root, crest);
    assert!((leading - 15.54).abs() < 0.02 && (trailing - 14.55).abs() < 0.02, "{leading} {trailing}");
    // A radius tip must leave the flank straight to the mate's crest: at basic size 0.144P is the most of a 60° screw, by (E − D1)/2 − h + ρ.
    for (radius, wide) in [(0.30, false), (0.46, true)] {
        let p = sound(json!({"thread": {"callout": "M20x2.5-6g"}, "bit": {"tip_radius_mm": radius}}));
        assert_eq!(yoke_trials::watches(&p, "warn", "tip_too_wide"), wide, "{radius}");
    }
}

#[test]
fn a_bit_deep_in_a_small_bore_is_read_on_this_side_of_the_axis() {
    let edges = Edges { flanks_deg: [13.0; 2], flat_mm: 0.05, rake_deg: 19.575_302_622_764_635, square_deg: 0.0, height_mm: 0.0, lead_mm: 0.0 };
    let (root, crest) = (7.902_385_158_470_11, 5.0);
    for (ours, swept) in flanks(&edges, false, root, crest).iter().zip(swept(&edges, -1.0, root, crest)) {
        assert!((ours - swept).abs() < 0.005, "{ours} {swept}");
    }
}

#[test]
fn what_a_gauge_feels_is_how_far_a_true_mate_stands_off() {
    for (angle, square) in [(59.0, 0.0), (61.0, 0.0), (60.0, 1.0), (58.5, -0.7), (60.6, 0.4)] {
        let p = plan("M20x2.5-6g", "right", json!({"included_angle_deg": angle, "square_deg": square, "tip_flat_mm": 0.3}));
        let ground = p.point().bit.ground.as_ref().unwrap();
        // A mate of true flanks touching each cut flank between root and crest: the axial room each side takes, by sampling.
        let (major, pitch, minor) = (p.thread.major_mm.value, p.thread.major_mm.value - 0.649_519_05 * 2.5, p.thread.major_mm.value - 1.082_531_75 * 2.5);
        let tan = |deg: f64| deg.to_radians().tan();
        let takes = |cut: f64| {
            (0..=1000)
                .map(|i| {
                    let d = minor + (major - minor) * f64::from(i) / 1000.0;
                    // Groove half-width here against the mate's ridge, both as wide at the pitch line.
                    (d - pitch) / 2.0 * (tan(30.0) - tan(cut))
                })
                .fold(0.0_f64, f64::max)
        };
        let felt = (takes(ground.leading_deg.value) + takes(ground.trailing_deg.value)) / tan(30.0);
        assert!((felt - ground.feels_mm.value).abs() < 0.001, "{angle} {square}: {felt} {}", ground.feels_mm.value);
        assert!((ground.leading_deg.value - (angle / 2.0 - square)).abs() < 0.03 && (ground.trailing_deg.value - (angle / 2.0 + square)).abs() < 0.03);
    }
    // Half a degree on M20×2.5, as the trade has it: 0.033 narrow, 0.022 wide; in its nut the other way about.
    let felt = |callout: &str, angle: f64| plan(callout, "right", json!({"included_angle_deg": angle})).point().bit.ground.clone().unwrap().feels_mm.value;
    assert!((felt("M20x2.5-6g", 59.0) - 0.033).abs() < 0.001 && (felt("M20x2.5-6g", 61.0) - 0.022).abs() < 0.001);
    assert!((felt("M20x2.5-6H", 59.0) - 0.022).abs() < 0.001 && (felt("M20x2.5-6H", 61.0) - 0.033).abs() < 0.001);
    // 0.7 toward the work on M6: asin(0.7/2.4), 17°, is past what the flanks leave under the nose; away from it nothing rubs.
    let heel =
        |side: &str, height: f64| watches(&sound(json!({"thread": {"callout": "M6", "side": side}, "bit": {"height_mm": height}})), "danger", "heel_rubs");
    assert!(heel("external", 0.7) && !heel("external", -0.7) && !heel("internal", 0.7) && !heel("external", 0.1));
}

#[test]
fn off_centre_rubbing_and_a_guessed_tip_are_told() {
    let p = plan("M20x2.5-6g", "right", json!({"height_mm": 0.4, "leading_relief_deg": 2.0, "trailing_relief_deg": 4.0, "tip_flat_between_mm": [0.3, 0.5]}));
    let ground = p.point().bit.ground.as_ref().unwrap();
    // Two circles by hand: the tip starts at touch and goes in level.
    let (r, x, h) = (p.blank.used_mm.value / 2.0, p.point().cut.radial_mm.value, 0.4_f64);
    let tip = (r * r - h * h).sqrt() - x;
    assert!((ground.shallow_mm.as_ref().unwrap().value - ((tip * tip + h * h).sqrt() - (r - x))).abs() < 0.001);
    // λ at the minor is 2.6°: two degrees ground there rub; four on the trailing side are plenty.
    assert!(ground.rubs.len() == 1 && ground.rubs[0].contains("leading side rubs"), "{:?}", ground.rubs);
    assert!(watches(&p, "warn", "flank_rubs"));
    // Drawn after the bit, or it would lie hidden under it.
    let roles: Vec<&str> = sheet(&p.thread, p.point().bit, p.point().cut.radial_mm.value, Voice::default()).groove.shapes.iter().map(|s| s.role).collect();
    assert!(roles.iter().position(|r| *r == "margin.rub") > roles.iter().position(|r| *r == "bit.face"), "{roles:?}");
    // 0.2 of doubt is 0.2/(2 tan 30°) = 0.173; the passes stop where the wider tip is at size.
    assert!(ground.stop_says.as_ref().unwrap().contains("0.173 mm"), "{:?}", ground.stop_says);
    let wide = plan("M20x2.5-6g", "right", json!({"tip_flat_mm": 0.5}));
    assert_eq!(p.point().cut.radial_mm.value, wide.point().cut.radial_mm.value);
    assert!(!p.point().bit.measured && wide.point().bit.measured);
    // The same of a round tip: 0.2 of radius more stands the tip 0.2·(1/sin 30° − 1) off, which is what the doubt costs.
    let round = plan("M20x2.5-6g", "right", json!({"tip_radius_between_mm": [0.1, 0.3]}));
    assert!(round.point().bit.ground.as_ref().unwrap().stop_says.as_ref().unwrap().contains("tip radius somewhere between 0.100 mm and 0.300 mm is 0.200 mm"));
    let largest = plan("M20x2.5-6g", "right", json!({"tip_radius_mm": 0.3}));
    assert_eq!(round.point().cut.radial_mm.value, largest.point().cut.radial_mm.value);
    for (bit, pointer) in [
        (json!({"tip_radius_between_mm": [0.3, 0.1]}), "/bit/tip_radius_between_mm"),
        (json!({"tip_flat_between_mm": [0.5, 0.3]}), "/bit/tip_flat_between_mm"),
        (json!({"tip_flat_between_mm": [0.3, 0.5], "tip_flat_mm": 0.4}), "/bit/tip_flat_between_mm"),
        (json!({"rake_deg": 50}), "/bit/rake_deg"),
        (json!({"height_mm": 9}), "/bit/height_mm"),
        (json!({"clearance_deg": 0}), "/bit/clearance_deg"),
        (json!({"grinder": "chisel"}), "/bit/grinder"),
    ] {
        let faults = match reckon(json!({"thread": {"callout": "M20"}, "bit": bit})) {
            Err(faults) => faults,
            Ok(_) => panic!("{pointer} was let by"),
        };
        assert!(faults.iter().any(|f| f.pointer == pointer), "{faults:?}");
    }
}

#[test]
fn a_bar_that_cannot_enter_or_reach_is_refused_with_its_numbers() {
    // M16×1.5: bore 14.376; the 60° bar spans 16. It will not go in.
    let small = sound(json!({"thread": {"callout": "M16x1.5-6H", "length_mm": 20}}));
    let bars = &small.point().bit.drawer;
    assert!((bars.span_mm.as_ref().unwrap().value - (small.thread.internal.minor_mm.min.as_ref().unwrap().value - 1.0)).abs() < 1e-6);
    assert!(
        !bars.tools[0].serves && bars.tools[0].says[0].contains("16.0 mm") && bars.otherwise.as_ref().unwrap().contains("finishing tap"),
        "{:?}",
        bars.tools
    );
    assert!(watches(&small, "warn", "bar_unfit"));
    // M36×1.5 takes it; laid in the bore at full depth and withdrawn, the whole bar stays inside.
    let cap = sound(json!({"thread": {"callout": "M36x1.5-6H", "length_mm": 18}}));
    let bars = &cap.point().bit.drawer;
    assert!(bars.tools[0].serves && !bars.tools[0].picked);
    let bore = cap.thread.internal.minor_mm.min.as_ref().unwrap().value / 2.0;
    let (tip, back) = (bore - 0.5, bore - 0.5 - 16.0);
    assert!(tip <= bore && back >= -bore);
    // F·l³/3EI by hand for a 12 mm steel bar standing out 18 + 4.5.
    let stands: f64 = 18.0 + 3.0 * 1.5;
    let inertia = std::f64::consts::PI * 12.0_f64.powi(4) / 64.0;
    let row = cap.point().cut.passes.iter().rfind(|p| p.chip_mm2 > 0.0).unwrap();
    // Half of k_c × area, k_c at this chip's thickness: the area over the edge in the cut.
    let edge = cap.point().bit.flat_mm.value + row.radial_mm / 30_f64.to_radians().cos();
    let force = 1700.0 * (row.chip_mm2 / edge).powf(-0.25) * row.chip_mm2 / 2.0;
    let bends = force * stands.powi(3) / (3.0 * 205_000.0 * inertia);
    assert!((bars.tools[0].bends_mm.as_ref().unwrap().value - bends).abs() < 1e-9);
    // Something before the mouth, and it no longer reaches.
    let deep = sound(json!({"thread": {"callout": "M36x1.5-6H", "length_mm": 18}, "bit": {"reach_past_mm": 45}}));
    assert!(deep.point().bit.drawer.tools[0].says[0].contains("reaches 60.0 mm and 67.5 mm is needed"));
    assert!(plan("M20", "right", json!({})).point().bit.drawer.span_mm.is_none());
    // Picked against that, it is a danger; picked where it serves, its thickness is what the reliefs are reckoned with.
    let picked = sound(json!({"thread": {"callout": "M16x1.5-6H", "length_mm": 20}, "bit": {"owned": "60° bar 12 mm"}}));
    assert!(watches(&picked, "danger", "tool_unfit") && picked.point().bit.drawer.tools[0].picked);
    let fits = |bit: Value| sound(json!({"thread": {"callout": "M36x1.5-6H", "length_mm": 18}, "bit": bit})).point().bit.clone();
    let (own, told) = (fits(json!({"owned": "60° bar 12 mm"})), fits(json!({"bar_diameter_mm": 12})));
    assert_eq!(own.leading_relief_deg.value, told.leading_relief_deg.value);
    assert!(own.measured && !told.measured, "its flat comes with it");
    // One taken out of the drawer since does not stop the job, and one for outside is no bar.
    let owned = |name: &str| sound(json!({"thread": {"callout": "M36x1.5-6H"}, "bit": {"owned": name}}));
    assert!(watches(&owned("a spoon"), "warn", "tool_gone") && watches(&owned("60° HSS 10 mm"), "danger", "tool_unfit"));
}

#[test]
fn form_tools_have_an_end_face_a_stocking_tool_and_no_nose_of_their_own() {
    for (callout, side) in [("1-1/4-5 Acme", Side::External), ("Tr28x5", Side::External), ("1-1/4-5 Acme-2G", Side::Internal)] {
        let p = sound(json!({"thread": {"callout": callout, "hand": "left", "side": side}}));
        let stocking = p.point().bit.grind.stocking.as_ref().unwrap();
        // Not told, the form tool may be the narrowest: the stocking tool is narrower than that.
        let flat = p.point().bit.tip_flat_mm.min.value - 2.0 * 0.15 / (p.thread.included_angle_deg / 2.0).to_radians().cos();
        assert!((stocking.flat_mm.value - flat).abs() < 1e-6 && p.point().bit.grind.nose_says.contains("8 to 10"));
    }
    assert!(plan("M20", "right", json!({})).point().bit.grind.stocking.is_none());
    // Two starts of 7 rise 6.36° under the trailing side: the bit is tilted instead.
    let coarse = plan("Tr40x14(P7)", "right", json!({}));
    assert!(coarse.point().bit.grind.tilt_says.is_some() && watches(&coarse, "note", "trailing_relief"));
    // Each way of holding it has its own settings; the sheet always begins with the guards.
    let mut seen = Vec::new();
    for how in [Grinder::Freehand, Grinder::Rest, Grinder::TiltedRest, Grinder::CutterGrinder] {
        let p = plan("M20x2.5", "right", json!({"grinder": how}));
        let steps = sheet(&p.thread, p.point().bit, p.point().cut.radial_mm.value, Voice::default()).steps;
        assert!(steps[0].contains("Eyes covered") && steps.len() >= 8);
        assert!(!seen.contains(&steps[2]));
        seen.push(steps[2].clone());
    }
    assert!(seen[2].contains("7.5°"), "{seen:?}");
}

#[test]
fn heels_clear_and_bench_formulas_differ_by_what_is_said() {
    // The least relief from the edge whose plane passes over every point of the bore down to the tool's foot.
    for (callout, bar) in [("M36x1.5-6H", 12.0), ("M48x3-6H", 20.0), ("1-1/4-5 Acme-2G", 14.0)] {
        let mut kit = insert(json!({}));
        kit["bits"] = json!([{"name": "bar", "kind": "internal", "material": "hss", "included_angle_deg": 60, "bar_diameter_mm": bar, "tip_to_back_mm": bar, "reach_mm": 200}]);
        let p = sound(json!({"thread": {"callout": callout, "side": "internal"}, "kit": kit}));
        let (bore, under) = (p.thread.internal.minor_mm.min.as_ref().unwrap().value / 2.0, bar / 2.0);
        let steepest =
            (1..=20_000).map(|i| under * f64::from(i) / 20_000.0).map(|y| ((bore - (bore * bore - y * y).sqrt()) / y).atan().to_degrees()).fold(0.0, f64::max);
        let heel = p.point().bit.drawer.tools[0].heel_deg.as_ref().unwrap().value;
        assert!((heel - steepest - p.point().bit.clearance_deg).abs() < 0.005, "{callout}: {heel} {steepest}");
    }
    // Twelve degrees of rake on M20×2.5, by the bench: 2·atan(tan 30° cos 12°) = 58.91; swept true it is nearer 58.5.
    let p = plan("M20x2.5-6g", "right", json!({"rake_deg": 12, "tip_flat_mm": 0.32}));
    let bench = 2.0 * (30.0_f64.to_radians().tan() * 12.0_f64.to_radians().cos()).atan().to_degrees();
    let exact = p.point().bit.grind.raked_deg.as_ref().unwrap().value;
    assert!(
        p.point().bit.grind.rake_says.contains(&format!("{bench:.2}°")) && p.point().bit.grind.rake_says.contains(&format!("{exact:.2}°")),
        "{}",
        p.point().bit.grind.rake_says
    );
    let edges = Edges { flanks_deg: [bench / 2.0; 2], flat_mm: 0.32, rake_deg: 12.0, square_deg: 0.0, height_mm: 0.0, lead_mm: 0.0 };
    let crest = p.blank.used_mm.value / 2.0;
    let cut = swept(&edges, 1.0, crest - p.point().cut.radial_mm.value, crest);
    // What the bench formula cuts is out by as much as the two differ.
    assert!(((cut[0] + cut[1]) - 60.0 - (bench - exact)).abs() < 0.02, "{cut:?} {bench} {exact}");
    // Centre height to a micrometre, by circles: the tip at level travel.
    for (h, external) in [(0.3_f64, true), (-0.5, true), (0.4, false)] {
        let side = if external { "external" } else { "internal" };
        let p = sound(json!({"thread": {"callout": "M20x2.5", "side": side}, "bit": {"height_mm": h}}));
        let (r, x, out) = (p.blank.used_mm.value / 2.0, p.point().cut.radial_mm.value, if external { -1.0 } else { 1.0 });
        let reached = ((r * r - h * h).sqrt() + out * x).hypot(h);
        let short = (x - (reached - r).abs()).abs();
        assert!((p.point().bit.ground.clone().unwrap().shallow_mm.unwrap().value.abs() - short).abs() < 0.001, "{h}");
    }
}

/// A drawer of one insert.
fn insert(more: Value) -> Value {
    let mut one = json!({"name": "box", "kind": "external", "full_profile": false, "pitch_from_mm": 1.5, "pitch_to_mm": 3.0,
        "included_angle_deg": 60, "tip_radius_mm": 0.2, "seat_tilt_deg": 1.5});
    one.as_object_mut().unwrap().extend(more.as_object().unwrap().clone());
    json!({"wires_mm": [1.6], "drills_mm": [], "bits": [], "inserts": [one]})
}

#[test]
fn an_insert_is_judged_by_what_its_box_says() {
    let of = |thread: Value, more: Value| sound(json!({"thread": thread, "kit": insert(more)})).point().bit.drawer.tools[0].clone();
    let m20 = || json!({"callout": "M20x2.5-6g"});
    let good = of(m20(), json!({}));
    assert!(good.serves, "{:?}", good.says);
    assert!(good.says.iter().any(|s| s.contains("never backed out")));
    // tan λ = 2.5/(π·18.376): 2.48°; 5° of its own less 0.98 of difference leaves 4.02.
    assert!(good.says.iter().any(|s| s.contains("leans 2.48°") && s.contains("4.02°")), "{:?}", good.says);
    for (thread, more, word) in [
        (m20(), json!({"included_angle_deg": 55}), "55° insert"),
        (m20(), json!({"pitch_to_mm": 2.0}), "1.5 mm to 2 mm"),
        (m20(), json!({"full_profile": true, "pitch_from_mm": 2.0, "pitch_to_mm": 2.0}), "pitch of 2 mm alone"),
        // A flat of P/4 is a radius of P/8·√3·… by hand: 0.625/(2·tan 30°)/(1/sin 30° − 1) = 0.541.
        (m20(), json!({"tip_radius_mm": 0.6}), "0.541 mm"),
        (json!({"callout": "M20x2.5-6g", "hand": "left"}), json!({}), "Another seat is wanted, near −2.48°"),
        (m20(), json!({"condition": "broken"}), "broken"),
    ] {
        let said = of(thread, more);
        assert!(!said.serves && said.says[0].contains(word), "{word}: {:?}", said.says);
    }
    let slow = of(m20(), json!({"lowest_m_per_min": 60}));
    assert!(slow.serves && slow.says.iter().any(|s| s.contains("it may chip")), "{:?}", slow.says);
    let bore = of(json!({"callout": "M20x2.5-6H"}), json!({"kind": "internal", "tip_radius_mm": 0.1, "smallest_bore_mm": 20, "reach_mm": 5}));
    assert!(bore.says[0].contains("20.000 mm") && bore.says[1].contains("reaches 5.000 mm"), "{:?}", bore.says);
    for (more, field) in [(json!({"pitch_to_mm": 1.0}), "pitch_to_mm"), (json!({"tip_radius_mm": -1}), "tip_radius_mm"), (json!({"name": " "}), "name")] {
        let faults = reckon(json!({"thread": {"callout": "M20"}, "kit": insert(more)})).unwrap_err();
        assert!(faults.iter().any(|f| f.pointer == format!("/kit/inserts/0/{field}")), "{faults:?}");
    }
}

#[test]
fn the_relief_tool_clears_the_groove_it_makes() {
    for (callout, bar) in [("M20x2.5-6g", 0.0), ("1-1/4-5 Acme", 0.0), ("M36x1.5-6H", 12.0), ("M48x3-6H", 20.0)] {
        let bit = if bar > 0.0 { json!({"bar_diameter_mm": bar}) } else { json!({}) };
        let p = sound(json!({"thread": {"callout": callout}, "bit": bit, "blank": {"shoulder": true}}));
        let (tool, relief) = (p.point().bit.relief_tool.as_ref().unwrap(), p.blank.relief.as_ref().unwrap());
        let (bottom, beside) = (relief.diameter_mm.value / 2.0, p.blank.used_mm.value / 2.0);
        assert!(tool.width_mm.value <= relief.width_mm.value + 1e-9 && tool.blade_mm.value > (beside - bottom).abs() + 0.5);
        assert!(tool.back_mm.value < tool.width_mm.value && tool.corner_mm.value <= relief.corner_mm.as_ref().unwrap().value + 1e-9);
        // Points of the end face under the edge, at full depth: none reaches into the groove's bottom.
        let under = if bar > 0.0 { bar / 2.0 } else { 10.0 };
        for i in 1..=200 {
            let y = under * f64::from(i) / 200.0;
            let back = y * tool.end_deg.value.to_radians().tan();
            let clear = if bar > 0.0 { bottom - (bottom - back).hypot(y) } else { (bottom + back).hypot(y) - bottom };
            assert!(clear > 0.0, "{callout}: {y} under, {clear}");
        }
        if let Some(most) = &tool.bar_mm {
            assert!(most.value + tool.blade_mm.value <= 2.0 * beside - 1.0 + 1e-9);
        }
        // Its sides fall in and narrow: no point of a side is past the wall it stands against.
        let taper = (tool.width_mm.value - tool.back_mm.value) / 2.0 / tool.blade_mm.value;
        assert!((taper.atan().to_degrees() - 1.5).abs() < 0.005 && tool.side_deg.value > 0.0);
    }
    assert!(plan("M20", "right", json!({})).point().bit.relief_tool.is_none(), "into the open there is no groove");
}

#[test]
fn reliefs_of_an_owned_bit_fall_to_the_side_that_leads() {
    let mut kit = insert(json!({}));
    kit["bits"] = json!([{"name": "mine", "kind": "external", "material": "hss", "included_angle_deg": 60, "tip_flat_mm": 0.35, "left_relief_deg": 2.0, "right_relief_deg": 12.0}]);
    let of = |hand: &str| sound(json!({"thread": {"callout": "M20x2.5-6g", "hand": hand}, "kit": kit, "bit": {"owned": "mine"}}));
    let (right, left) = (of("right"), of("left"));
    // A right-hand thread leads with the left side, which its 2.6° of rise rubs; a left-hand one with the right, which clears.
    assert!(right.point().bit.ground.as_ref().unwrap().rubs[0].contains("leading side rubs"));
    assert!(left.point().bit.ground.as_ref().unwrap().rubs.is_empty(), "{:?}", left.point().bit.ground);
}

#[test]
fn drawings_show_the_angles_they_say() {
    for (callout, side, shoulder) in
        [("M20x2.5", "external", true), ("1-1/4-5 Acme", "internal", false), ("5/8 BSW", "external", false), ("Tr40x14(P7)", "external", true)]
    {
        let p = sound(json!({"thread": {"callout": callout, "side": side}, "blank": {"shoulder": shoulder}}));
        let all = sheet(&p.thread, p.point().bit, p.point().cut.radial_mm.value, Voice::default());
        let line = |d: &Drawing, role: &str| d.shapes.iter().filter(|s| s.role == role).map(|s| s.line.clone()).collect::<Vec<_>>();
        let lean = |a: [f64; 2], b: [f64; 2]| ((b[0] - a[0]).abs() / (b[1] - a[1]).abs()).atan().to_degrees();
        // From the front, the side held left stands on the right.
        let front = &line(&all.views, "bit.side")[0];
        let (left, right) = (lean(front[0], front[3]), lean(front[1], front[2]));
        let by = |held: &str| p.point().bit.grind.sides.iter().find(|s| s.held == held).unwrap().front_deg.value;
        assert!((right - by("left")).abs() < 0.005 && (left - by("right")).abs() < 0.005, "{callout}");
        // Under the edge the margins open from the wall by what the relief leaves over the rise.
        let margins: Vec<_> = all.groove.shapes.iter().filter(|s| s.role.starts_with("margin")).map(|s| s.line.clone()).collect();
        for (m, side) in margins.iter().zip(&p.point().bit.grind.sides) {
            let signed = |q: [f64; 2]| ((m[0][0] - q[0]) * m[0][0].signum()).atan2(m[0][1] - q[1]).to_degrees();
            assert!((signed(m[1]) - side.rise_deg).abs() < 0.005 && (signed(m[2]) - side.front_deg.value).abs() < 0.005, "{callout}");
        }
        // The tip stands as deep as the cut, and the pitch line as far back as is said.
        let face = &line(&all.tip, "bit.face")[0];
        let deepest = face.iter().map(|q| q[1].abs()).fold(0.0, f64::max);
        let level = line(&all.tip, "line.pitch")[0][0][1].abs();
        assert!((deepest - p.point().cut.radial_mm.value).abs() < 1e-6 && (deepest - level - p.point().bit.tip_to_pitch_mm.value).abs() < 1e-6);
        assert_eq!(all.relief_tool.is_some(), shoulder && p.point().bit.relief_tool.is_some());
        for d in [&all.views, &all.tip, &all.groove] {
            let [l, b, r, t] = d.bounds;
            assert!(d.shapes.iter().flat_map(|s| &s.line).all(|q| q[0] >= l && q[0] <= r && q[1] >= b && q[1] <= t), "{callout}: {:?}", d.says);
        }
    }
}
