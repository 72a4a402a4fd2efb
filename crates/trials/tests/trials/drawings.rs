//! Drawings are true to scale: what they show is measured on them and compared with the plan.

use serde_json::json;
use yoke_core::outline::{Drawing, Point, Shape};
use yoke_core::plan::Plan;
use yoke_core::voice::Voice;
use yoke_trials::{SinglePoint, demo_lathe, on, sound};

/// 60° threads of either member.
const THREADS: [&str; 6] = ["M6", "M20x2.5", "M36x1.5-6H", "7/8-9 UNC", "1-8 UNC-2B", "#10-32"];
/// One of every other family.
const OTHERS: [&str; 9] = ["1-1/4-5 Acme LH", "1-5 Stub Acme nut", "Tr40x14(P7)", "5/8 BSW", "G1-1/4 nut", "2BA", "Sq 30x6", "1-4 Square nut", "1/4-40 ME"];

fn shapes<'a>(drawing: &'a Drawing, role: &'a str) -> impl Iterator<Item = &'a Shape> {
    drawing.shapes.iter().filter(move |s| s.role == role)
}

fn all(plan: &Plan) -> Vec<(&'static str, &Drawing)> {
    let mut list = vec![("thread", &plan.thread.drawing), ("blank", &plan.blank.drawing), ("cut", &plan.point().cut.drawing)];
    list.extend(plan.pair.as_ref().map(|p| ("pair", &p.drawing)));
    list.extend(plan.point().gears.drawing.as_ref().map(|d| ("gears", d)));
    list.extend(plan.gauge.drawing.as_ref().map(|d| ("gauge", d)));
    list
}

#[test]
fn everything_drawn_lies_inside_its_bounds_and_is_said_in_words() {
    for lathe in 0..3 {
        for thread in THREADS.into_iter().chain(OTHERS) {
            let plan = sound(json!({"thread": {"callout": thread}, "mate": {}, "lathe": demo_lathe(lathe), "blank": {"shoulder": true}}));
            for (name, drawing) in all(&plan) {
                let [left, bottom, right, top] = drawing.bounds;
                let inside = |[x, y]: Point| x >= left - 1e-6 && x <= right + 1e-6 && y >= bottom - 1e-6 && y <= top + 1e-6;
                for shape in &drawing.shapes {
                    assert!(shape.line.iter().all(|p| inside(*p)), "{thread} {name}: {} leaves {:?}", shape.role, drawing.bounds);
                    if let Some(c) = shape.circle {
                        assert!(inside([c.x - c.r, c.y - c.r]) && inside([c.x + c.r, c.y + c.r]), "{thread} {name}: {}", shape.role);
                    }
                }
                assert!(drawing.dimensions.iter().flat_map(|d| &d.lines).flatten().all(|p| inside(*p)), "{thread} {name}");
                assert!(drawing.says.len() > 20 && !drawing.says.contains("NaN"), "{name}: {}", drawing.says);
            }
        }
    }
}

#[test]
fn the_thread_section_measures_as_the_thread() {
    for thread in THREADS {
        let plan = on(0, thread);
        let flank = &shapes(&plan.thread.drawing, "thread.flank").next().unwrap().line;
        let (top, low) = flank.iter().fold((f64::MIN, f64::MAX), |(t, l), p| (t.max(p[1]), l.min(p[1])));
        let (major, pitch) = (plan.thread.major_mm.value, plan.thread.pitch_mm.value);
        assert!((top * 2.0 - major).abs() < 1e-6, "{thread} major");
        assert!(((top - low) / pitch - 0.541_266).abs() < 1e-3, "{thread}: basic depth is five eighths of the sharp height");
        for pair in flank.windows(2).filter(|p| (p[0][1] - p[1][1]).abs() > 1e-6) {
            let angle = ((pair[1][0] - pair[0][0]) / (pair[1][1] - pair[0][1])).abs().atan().to_degrees();
            assert!((angle - 30.0).abs() < 1e-2, "{thread}: flank at {angle}°");
        }
    }
}

#[test]
fn dimensions_are_as_long_as_they_say() {
    for thread in THREADS {
        let plan = sound(json!({"thread": {"callout": thread, "length_mm": 12}, "lathe": demo_lathe(0), "blank": {"shoulder": true}}));
        let named = |drawing: &Drawing, name: &str| {
            drawing.dimensions.iter().find(|d| d.name == name).map(|d| ((d.to[0] - d.from[0]).hypot(d.to[1] - d.from[1]), d.figure.value))
        };
        for (drawing, name) in [
            (&plan.thread.drawing, "pitch"),
            (&plan.blank.drawing, "diameter"),
            (&plan.blank.drawing, "relief_diameter"),
            (&plan.blank.drawing, "relief_width"),
            (&plan.point().cut.drawing, "radial"),
        ] {
            let (drawn, says) = named(drawing, name).unwrap_or_else(|| panic!("{thread}: {name} is not drawn"));
            assert!((drawn - says).abs() < 1e-6, "{thread} {name}: {drawn} drawn, {says} said");
        }
    }
}

#[test]
fn the_groove_fills_from_one_flank_and_ends_as_the_tip() {
    for (style, beta) in [("radial", 0.0), ("flank", 30.0), ("modified_flank", 29.5)] {
        let plan = sound(json!({"thread": {"callout": "M20x2.5"}, "lathe": demo_lathe(0), "bit": {"tip_flat_mm": 0.32}, "cut": {"style": style}}));
        let sections: Vec<&Shape> = shapes(&plan.point().cut.drawing, "cut.pass").collect();
        // Deepest first: tip width, depth, and the trailing flank that flank infeed leaves standing.
        let deepest = &sections[0].line;
        assert!((deepest[2][0] - deepest[1][0] - 0.32).abs() < 1e-6, "{style}: the tip's own flat");
        assert!((deepest[1][1] + plan.point().cut.passes.last().unwrap().radial_mm).abs() < 1e-6);
        for pair in sections.windows(2) {
            let depth = |s: &Shape| -s.line[1][1];
            let slid = (pair[0].line[1][0] - pair[1].line[1][0]).abs();
            let wanted = (depth(pair[0]) - depth(pair[1])) * f64::to_radians(beta).tan();
            assert!((slid - wanted).abs() < 1e-6, "{style}: the tip slides {slid}, wanted {wanted}");
        }
    }
    // A bore fills outward.
    let inside = on(1, "M36x1.5-6H");
    assert!(shapes(&inside.point().cut.drawing, "cut.pass").all(|s| s.line[1][1] > 0.0));
}

#[test]
fn the_mesh_shows_the_gaps_the_pair_has() {
    for thread in ["M20", "1-1/4-5 Acme LH", "Tr28x5", "1-8 UNC-3A", "G1", "Sq 30x6"] {
        let plan = sound(json!({"thread": {"callout": thread}, "mate": {}}));
        let pair = plan.pair.unwrap();
        let lines: Vec<&Vec<Point>> = shapes(&pair.drawing, "thread.flank").map(|s| &s.line).collect();
        let [screw, nut] = lines[..] else { panic!("{thread}: a screw and a nut") };
        let ends = |line: &[Point]| line.iter().fold((f64::MAX, f64::MIN), |(low, high), p| (low.min(p[1]), high.max(p[1])));
        let ((screw_low, screw_high), (nut_low, nut_high)) = (ends(screw), ends(nut));
        let times = pair.gaps_times;
        // Crests and roots stand apart by the clearances, half on each side, drawn so many times as large.
        assert!((2.0 * (nut_high - screw_high) - times * pair.clearances[1].now.value).abs() < 1e-6, "{thread} major");
        assert!((2.0 * (nut_low - screw_low) - times * pair.clearances[2].now.value).abs() < 1e-6, "{thread} minor");
        assert!(times >= 1.0 && times.fract() == 0.0, "{thread}: a whole number of times");
        // The nut's metal never crosses the screw's: on every level between both, its gap is the wider.
        let half_width = |line: &[Point], y: f64, x0: f64| {
            line.windows(2)
                .filter(|w| (w[0][1] - y) * (w[1][1] - y) <= 0.0 && (w[0][1] - w[1][1]).abs() > 1e-9)
                .map(|w| w[0][0] + (y - w[0][1]) / (w[1][1] - w[0][1]) * (w[1][0] - w[0][0]))
                .map(|x| (x - x0).abs())
                .fold(f64::MAX, f64::min)
        };
        let pitch = plan.thread.pitch_mm.value;
        for i in 1..10 {
            let y = nut_low + (screw_high - nut_low) * f64::from(i) / 10.0;
            let (thread_half, gap_half) = (half_width(screw, y, pitch), half_width(nut, y, pitch));
            assert!(gap_half >= thread_half - 1e-9, "{thread}: {gap_half} {thread_half} at {y}");
        }
        assert_eq!(pair.drawing.dimensions.len(), 3);
    }
}

#[test]
fn the_sample_is_drawn_as_told() {
    use yoke_core::faults::read_json;
    use yoke_core::thread::identify::{Sample, SampleRequest, identify};
    let drawn = |request: serde_json::Value| {
        let (asked, faults) = read_json::<SampleRequest>(request);
        identify(&Sample::check(&asked, faults, Voice::default()).unwrap(), Voice::default()).drawing
    };
    let bolt = drawn(json!({"major_mm": 22.05, "spaces": 10, "over_mm": 28.3, "minor_mm": 18.4}));
    let names: Vec<&str> = bolt.dimensions.iter().map(|d| d.name.as_ref()).collect();
    assert_eq!(names, ["major", "minor", "spaces"], "only what was measured has a dimension");
    for d in &bolt.dimensions {
        let length = (d.from[0] - d.to[0]).hypot(d.from[1] - d.to[1]);
        assert!((length - d.figure.value).abs() < 1e-6, "{}: drawn {length}", d.name);
    }
    assert_eq!(shapes(&bolt, "sample.crest").count(), 11, "ten spaces lie between eleven crests");
    // In front a right-hand thread climbs to the right, a left-hand one to the left, twice as steeply with two starts.
    let climb = |drawing: &Drawing| {
        let line = &shapes(drawing, "sample.crest").next().unwrap().line;
        (line[1][1] - line[0][1]) / (line[1][0] - line[0][0])
    };
    let of = |hand: &str, starts: i64| climb(&drawn(json!({"major_mm": 20, "pitch_mm": 2.5, "hand": hand, "starts": starts})));
    assert!(of("right", 1) > 0.0 && (of("left", 1) + of("right", 1)).abs() < 1e-9 && (of("right", 2) / of("right", 1) - 2.0).abs() < 1e-9);
    assert!((of("right", 1) - 1.25 / 20.0).abs() < 1e-9, "half a lead across the diameter");
    // Nothing told is drawn all the same, without dimensions.
    let blank = drawn(json!({}));
    assert!(blank.dimensions.is_empty() && blank.says.contains("not told"));
    for drawing in [&bolt, &blank] {
        let [left, bottom, right, top] = drawing.bounds;
        assert!(drawing.shapes.iter().flat_map(|s| &s.line).all(|p| p[0] >= left && p[0] <= right && p[1] >= bottom && p[1] <= top));
    }
}

/// Teeth as drawn: every point's distance from the middle and its direction, degrees.
fn polar(teeth: &yoke_core::outline::Teeth) -> Vec<(f64, f64)> {
    teeth.outline([0.0, 0.0]).map(|[x, y]| (x.hypot(y), y.atan2(x).to_degrees())).collect()
}

#[test]
fn drawn_teeth_mesh_in_phase_at_the_centres_they_need() {
    let mut meshes = 0;
    for lathe in 0..3 {
        for thread in ["M20x2.5", "M6", "7/8-9 UNC", "M16x2 LH", "G1-1/4", "1-1/4-5 Acme LH", "Tr 28x5", "M10x1.25", "1/4-20 UNC"] {
            let plan = on(lathe, thread);
            let Some(drawing) = &plan.point().gears.drawing else { continue };
            let wheels: Vec<&Shape> = drawing.shapes.iter().filter(|s| s.role.starts_with("gear.")).collect();
            // Wheels are drawn in the order of the train: a mesh is two that touch on their pitch circles.
            for (i, a) in wheels.iter().enumerate() {
                for b in &wheels[i + 1..] {
                    let ((p, q), (m, n)) = ((a.circle.unwrap(), b.circle.unwrap()), (a.teeth.as_ref().unwrap(), b.teeth.as_ref().unwrap()));
                    let (apart, toward) = ((q.x - p.x).hypot(q.y - p.y), (q.y - p.y).atan2(q.x - p.x).to_degrees());
                    let module = 2.0 * p.r / f64::from(m.count);
                    if (apart - p.r - q.r).abs() > 0.3 * module || (module - 2.0 * q.r / f64::from(n.count)).abs() > 1e-3 {
                        continue;
                    }
                    meshes += 1;
                    // Tip and root of either keep the clearance of a standard tooth, a quarter of the module, whatever play there is.
                    let [a, b] = [polar(m), polar(n)];
                    let far = |list: &[(f64, f64)]| list.iter().map(|x| x.0).fold(0.0, f64::max);
                    let near = |list: &[(f64, f64)]| list.iter().map(|x| x.0).fold(f64::MAX, f64::min);
                    let play = apart - p.r - q.r;
                    assert!((apart - far(&a) - near(&b) - play - 0.25 * module).abs() < 0.01 * module, "{thread}: {module}");
                    // Where the middles of the teeth stand along the pitch circles at the line of centres: a tooth of one in a gap of the other.
                    let middle = |list: &[(f64, f64)], count: u16, from: f64| {
                        let tips: Vec<f64> = list.iter().filter(|x| x.0 > far(list) - 1e-6).map(|x| x.1).collect();
                        let pitch = 360.0 / f64::from(count);
                        // The middle of the two ends of one tip, brought near the line of centres.
                        let one = tips[0] + ((tips[1] - tips[0] + 540.0).rem_euclid(360.0) - 180.0) / 2.0;
                        (one - from).rem_euclid(pitch) / pitch
                    };
                    let (of_a, of_b) = (middle(&a, m.count, toward), middle(&b, n.count, toward + 180.0));
                    // One turns as the other against it: their places add up to half a pitch, or one and a half.
                    let off = ((of_a + of_b) - 0.5).rem_euclid(1.0);
                    let off = off.min(1.0 - off) * std::f64::consts::PI * module;
                    assert!(off < 0.01 * module, "{lathe} {thread}: {}/{} out of phase by {off} mm", m.count, n.count);
                }
            }
        }
    }
    assert!(meshes >= 25, "{meshes} meshes");
}

#[test]
fn a_thread_is_seen_with_its_hand_and_its_lead() {
    use yoke_core::sheets::thread_sheet;
    // How far a crest runs along from the top of the work to its bottom, over all that are seen whole.
    let leans = |callout: &str, more: serde_json::Value| {
        let mut request = json!({"thread": {"callout": callout}, "lathe": demo_lathe(0)});
        yoke_trials::patched(&mut request, &more);
        let plan = sound(request);
        let seen = thread_sheet(&plan).seen;
        let radius =
            if plan.thread.side == yoke_core::thread::Side::External { plan.thread.major_mm.value } else { plan.blank.drawing.bounds[3].max(0.0) } / 2.0;
        let whole: Vec<f64> = shapes(&seen, "thread.edge")
            .filter_map(|s| Some((s.line.first()?, s.line.last()?)))
            .filter(|(a, b)| (a[1] + b[1]).abs() < 1e-6 && a[1] > radius * 0.3)
            .map(|(a, b)| b[0] - a[0])
            .collect();
        assert!(whole.len() > 3, "{callout}: {} crests seen whole", whole.len());
        assert!(whole.iter().all(|w| (w - whole[0]).abs() < 1e-6), "{callout}: {whole:?}");
        (whole[0], plan.thread.lead_mm.value, seen.says)
    };
    for (callout, sign) in [("M20x2.5", 1.0), ("M20x2.5 LH", -1.0), ("1-1/4-5 Acme LH", -1.0), ("Tr40x14(P7)", 1.0)] {
        let (along, lead, says) = leans(callout, json!({}));
        assert!((along - sign * lead / 2.0).abs() < 1e-6, "{callout}: {along} of a lead of {lead}");
        assert!(says.contains(if sign > 0.0 { "right-hand" } else { "left-hand" }), "{says}");
    }
    // The far wall of a bore leans the other way than the near side of its screw.
    let (along, lead, says) = leans("M36x1.5-6H", json!({}));
    assert!((along + lead / 2.0).abs() < 1e-6 && says.contains("far wall"), "{along} {lead} {says}");
}
