//! Drawings are true to scale: what they show is measured on them and compared with the plan.

use serde_json::json;
use yoke_core::outline::{Drawing, Point, Shape};
use yoke_core::plan::Plan;
use yoke_core::voice::Voice;
use yoke_trials::{demo_lathe, on, sound};

/// 60° threads of either member.
const THREADS: [&str; 6] = ["M6", "M20x2.5", "M36x1.5-6H", "7/8-9 UNC", "1-8 UNC-2B", "#10-32"];
/// One of every other family.
const OTHERS: [&str; 9] = ["1-1/4-5 Acme LH", "1-5 Stub Acme nut", "Tr40x14(P7)", "5/8 BSW", "G1-1/4 nut", "2BA", "Sq 30x6", "1-4 Square nut", "1/4-40 ME"];

fn shapes<'a>(drawing: &'a Drawing, role: &'a str) -> impl Iterator<Item = &'a Shape> {
    drawing.shapes.iter().filter(move |s| s.role == role)
}

fn all(plan: &Plan) -> Vec<(&'static str, &Drawing)> {
    let mut list = vec![("thread", &plan.thread.drawing), ("blank", &plan.blank.drawing), ("cut", &plan.cut.drawing)];
    list.extend(plan.pair.as_ref().map(|p| ("pair", &p.drawing)));
    list.extend(plan.gears.drawing.as_ref().map(|d| ("gears", d)));
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
                assert!(drawing.dimensions.iter().all(|d| inside(d.from) && inside(d.to)), "{thread} {name}");
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
            (&plan.cut.drawing, "radial"),
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
        let sections: Vec<&Shape> = shapes(&plan.cut.drawing, "cut.pass").collect();
        // Deepest first: tip width, depth, and the trailing flank that flank infeed leaves standing.
        let deepest = &sections[0].line;
        assert!((deepest[2][0] - deepest[1][0] - 0.32).abs() < 1e-6, "{style}: the tip's own flat");
        assert!((deepest[1][1] + plan.cut.passes.last().unwrap().radial_mm).abs() < 1e-6);
        for pair in sections.windows(2) {
            let depth = |s: &Shape| -s.line[1][1];
            let slid = (pair[0].line[1][0] - pair[1].line[1][0]).abs();
            let wanted = (depth(pair[0]) - depth(pair[1])) * f64::to_radians(beta).tan();
            assert!((slid - wanted).abs() < 1e-6, "{style}: the tip slides {slid}, wanted {wanted}");
        }
    }
    // A bore fills outward.
    let inside = on(1, "M36x1.5-6H");
    assert!(shapes(&inside.cut.drawing, "cut.pass").all(|s| s.line[1][1] > 0.0));
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
    let names: Vec<&str> = bolt.dimensions.iter().map(|d| d.name).collect();
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

/// Where the figure of a dimension is written, as the screen sets it: letters a thirty-third of the sheet's
/// width or a twenty-second of its height, half as wide as high, or a little more.
fn written(drawing: &Drawing, d: &yoke_core::outline::Dimension, text: &str) -> [f64; 4] {
    let [left, bottom, right, top] = drawing.bounds;
    let size = ((right - left) / 33.0).max((top - bottom) / 22.0);
    let wide = 0.56 * size * text.chars().count() as f64;
    let vertical = (d.from[0] - d.to[0]).abs() < 1e-6;
    if vertical && (d.from[1] - d.to[1]).abs() < 1e-6 {
        return [d.from[0] + 0.3 * size, d.from[1] - 0.35 * size, d.from[0] + 0.3 * size + wide, d.from[1] + 0.4 * size];
    }
    if vertical {
        let x = d.from[0] + 0.45 * size;
        return [x, d.from[1].min(d.to[1]), x + wide, d.from[1].max(d.to[1])];
    }
    let middle = f64::midpoint(d.from[0], d.to[0]);
    [middle - wide / 2.0, d.from[1] + 0.45 * size, middle + wide / 2.0, d.from[1] + 1.2 * size]
}

#[test]
fn no_figure_runs_off_its_sheet() {
    use yoke_core::faults::read_json;
    use yoke_core::thread::identify::{Sample, SampleRequest, identify};
    // A wide sheet stands in a taller frame, so only the tall ones must hold their figures in height too.
    let inside = |name: &str, drawing: &Drawing, tall: bool| {
        let [left, bottom, right, top] = drawing.bounds;
        for d in &drawing.dimensions {
            for text in [Some(&d.figure.text), d.figure.inch.as_ref()].into_iter().flatten() {
                let [x1, y1, x2, y2] = written(drawing, d, text);
                assert!(x1 >= left - 1e-6 && x2 <= right + 1e-6, "{name}: {text} of {} runs off {:?}", d.name, drawing.bounds);
                let high = y1 >= bottom - 1e-6 && y2 <= top + 1e-6;
                assert!(!tall || high, "{name}: {text} of {} runs off {:?} in height", d.name, drawing.bounds);
            }
        }
    };
    for callout in THREADS.into_iter().chain(OTHERS) {
        for shoulder in [true, false] {
            let plan = sound(json!({"thread": {"callout": callout}, "mate": {}, "blank": {"shoulder": shoulder}}));
            inside(&format!("{callout}, blank"), &plan.blank.drawing, true);
            inside(&format!("{callout}, form"), &plan.thread.drawing, false);
            inside(&format!("{callout}, mesh"), &plan.pair.as_ref().unwrap().drawing, false);
        }
    }
    for (d, p, spaces) in [(22.05, 2.83, 10), (6.0, 1.0, 12), (31.5, 5.08, 4), (100.0, 12.0, 6), (2.0, 0.4, 20)] {
        let request = json!({"major_mm": d, "minor_mm": d - 1.2 * p, "spaces": spaces, "over_mm": p * f64::from(spaces)});
        let (asked, faults) = read_json::<SampleRequest>(request);
        inside(&format!("sample of {d}"), &identify(&Sample::check(&asked, faults, Voice::default()).unwrap(), Voice::default()).drawing, true);
    }
}
