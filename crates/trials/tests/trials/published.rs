//! Limits against values as printed, and as recalled: metric exactly, inch to the places tables give.

use serde::Deserialize;
use serde_json::{Value, json};
use std::collections::BTreeMap;
use yoke_core::faults::read_json;
use yoke_core::job::{PlanRequest, settle};
use yoke_core::plan::plan;

#[derive(Deserialize)]
struct Row {
    callout: String,
    member: String,
    quantity: String,
    value: f64,
    unit: String,
    source: String,
}

/// The thread a row is about: a callout, or a form in no standard kept here, as `Special 6x1 53.13° P/8`.
fn planned(text: &str) -> Value {
    let thread = text.strip_prefix("Special ").map_or_else(
        || json!({ "callout": text }),
        |special| {
            let (size, form) = special.split_once(' ').unwrap();
            let (major, pitch): (f64, f64) = size.split_once('x').map(|(d, p)| (d.parse().unwrap(), p.parse().unwrap())).unwrap();
            assert_eq!(form, "53.13° P/8");
            // Half the angle has a tangent of one half: the sharp height is the pitch.
            let angle = 2.0 * 0.5_f64.atan().to_degrees();
            json!({ "special": {"major_mm": major, "pitch_mm": pitch, "included_angle_deg": angle, "crest_flat_mm": pitch / 8.0, "root_flat_mm": pitch / 8.0} })
        },
    );
    let (request, faults) = read_json::<PlanRequest>(json!({ "thread": thread }));
    let (job, lathe, kit) = settle(&request, None, faults).expect(text);
    serde_json::to_value(plan(&job, &lathe, &kit)).unwrap()
}

/// Every row of a table of values as printed, against the plan; gives the rows and those that differ.
fn held_to(table: &str) -> (Vec<Row>, Vec<String>) {
    let rows: Vec<Row> = csv::Reader::from_path(table).unwrap().into_deserialize().map(Result::unwrap).collect();
    let mut differ = Vec::new();
    for row in &rows {
        let plan = planned(&row.callout);
        let (size, end) = row.quantity.split_once('_').unwrap();
        let got = plan.pointer(&format!("/thread/{}/{size}_mm/{end}/value", row.member)).and_then(Value::as_f64);
        let got = got.unwrap_or_else(|| panic!("{} {} {} missing", row.callout, row.member, row.quantity));
        let (got, slack) = match row.unit.as_str() {
            // Tables of the Unified minor diameter print three places.
            "in" => (got / 25.4, if size == "minor" && row.source == "ASME B1.1" { 5.0e-4 } else { 0.5e-4 }),
            _ => (got, 1e-9),
        };
        if (got - row.value).abs() > slack + 1e-9 {
            differ.push(format!("{} {} {}: {got} but printed {} {}", row.callout, row.member, row.quantity, row.value, row.unit));
        }
    }
    (rows, differ)
}

#[test]
fn every_published_value_agrees() {
    let (rows, differ) = held_to("../core/data/published.csv");
    assert_eq!(rows.len(), 152);
    assert!(differ.is_empty(), "{differ:#?}");
}

#[test]
fn every_recalled_value_agrees() {
    let (rows, differ) = held_to("../core/data/recalled.csv");
    assert!(rows.iter().all(|r| r.source.starts_with("recalled")));
    assert!(differ.is_empty(), "{differ:#?}");
    let mut of: BTreeMap<String, usize> = BTreeMap::new();
    for row in &rows {
        *of.entry(planned(&row.callout).pointer("/thread/form").unwrap().as_str().unwrap().to_owned()).or_default() += 1;
    }
    assert!(of.len() == 10 && of.values().all(|n| *n >= 8), "{of:?}");
}

/// The form as points over one pitch, the crest in the middle: half the flanks' run at each height, built from the
/// half angle and the share of the pitch the crest takes; then where ridge and gap are as wide, and where the gap
/// has narrowed to its bottom, both found by walking down the flank and not by any formula of the core.
fn walked(pitch: f64, half_angle: f64, crest: f64, root: f64) -> (f64, f64) {
    let slope = half_angle.to_radians().tan();
    let ridge = |down: f64| crest + 2.0 * down * slope;
    let find = |wide: f64| {
        let (mut a, mut b) = (0.0, 3.0 * pitch);
        for _ in 0..100 {
            let middle = f64::midpoint(a, b);
            if ridge(middle) < wide { a = middle } else { b = middle }
        }
        a
    };
    (find(pitch / 2.0), find(pitch - root))
}

/// The step of the R40 series a bore's tolerance falls on.
fn r40_coarse(um: f64) -> u16 {
    [300_u16, 315, 335, 355, 375, 400, 425, 450, 475, 500, 530, 560]
        .into_iter()
        .min_by(|a, b| (f64::from(*a) - um).abs().total_cmp(&(f64::from(*b) - um).abs()))
        .unwrap()
}

/// A recalled value reached again, in the row's unit, from the words of its standard and not through the core.
fn second(row: &Row) -> f64 {
    let plan = planned(&row.callout);
    let unit = if row.unit == "in" { 25.4 } else { 1.0 };
    let of = |at: &str| plan.pointer(at).and_then(Value::as_f64).unwrap() / unit;
    let (d, p) = (of("/thread/major_mm/value"), of("/thread/pitch_mm/value"));
    let form = plan.pointer("/thread/form").unwrap().as_str().unwrap();
    let (what, member) = (row.quantity.as_str(), row.member.as_str());
    // Sharp forms rounded off by a sixth of their height at either end have a third of it gone in all.
    let sixth = |half: f64, gone: f64| walked(p, half, gone * p, gone * p);
    let (to_pitch, to_root) = match form {
        "iso_metric" | "unified" => walked(p, 30.0, p / 8.0, p / 4.0),
        "whitworth" | "pipe_g" => sixth(27.5, 1.0 / 6.0),
        // 0.6P deep: what the depth leaves of the pitch is shared by crest and root.
        "ba" => {
            let flat = (1.0 - 2.0 * 0.6 * 23.75_f64.to_radians().tan()) / 2.0 * p;
            walked(p, 23.75, flat, flat)
        }
        "acme" => (p / 4.0, p / 2.0),
        "stub_acme" => (0.15 * p, 0.3 * p),
        "trapezoidal" | "square" => (p / 4.0, p / 2.0),
        "special" => walked(p, 0.5_f64.atan().to_degrees(), p / 8.0, p / 8.0),
        other => panic!("{other}"),
    };
    let (basic, minor) = (d - 2.0 * to_pitch, d - 2.0 * to_root);
    // The whole steps of the R40 series in µm, as a table has them.
    let r40 = |um: f64| {
        let table = [
            100.0, 106.0, 112.0, 118.0, 125.0, 132.0, 140.0, 150.0, 160.0, 170.0, 180.0, 190.0, 200.0, 212.0, 224.0, 236.0, 250.0, 265.0, 280.0, 300.0, 315.0,
            335.0, 355.0,
        ];
        table.into_iter().min_by(|a, b| (a - um).abs().total_cmp(&(b - um).abs())).unwrap() / 1000.0
    };
    match (form, what, member) {
        (_, "pitch_basic", _) => basic,
        ("square" | "trapezoidal" | "special" | "whitworth" | "pipe_g" | "ba", "minor_basic", _) => minor,
        ("unified", ..) => {
            // The tolerance by logarithms, as slide rules had it.
            let power = |x: f64, a: f64| (a * x.ln()).exp();
            let le = if row.callout.contains("UNC") || row.callout.contains("UNF") { d } else { 9.0 * p };
            let t = 0.0015 * (power(d, 1.0 / 3.0) + power(le, 0.5) + 10.0 * power(p, 2.0 / 3.0));
            match what {
                "pitch_max" if member == "internal" => basic + 1.3 * t,
                "pitch_max" => basic - 0.3 * t,
                "pitch_min" => basic - 1.3 * t,
                "major_min" => d - 0.3 * t - 0.06 * power(p, 2.0 / 3.0),
                other => panic!("{other}"),
            }
        }
        ("iso_metric", ..) => {
            // Middle of the diameter range, by its own roots; the standard's formulas stand in for its tables.
            let (low, high) = [(5.6, 11.2), (11.2, 22.4), (22.4, 45.0)].into_iter().find(|(a, b)| d > *a && d <= *b).unwrap();
            let td2 = r40(90.0 * p.powf(0.4) * f64::sqrt(low * high).powf(0.1));
            let shift = (15.0 + 11.0 * p).round() / 1000.0;
            match (what, member) {
                ("pitch_max", "external") => basic - shift,
                ("pitch_min", _) => basic - shift - td2,
                ("pitch_max", _) => basic + r40(1.32 * td2 * 1000.0),
                ("minor_max", _) => d - 1.082_532 * p + f64::from(r40_coarse(230.0 * p.powf(0.7))) / 1000.0,
                other => panic!("{other:?}"),
            }
        }
        ("acme", ..) => {
            let (k, allow) = (0.008 * d.sqrt(), if p >= 0.1 - 1e-12 { 0.02 } else { 0.01 });
            let tolerance = 0.006 * d.sqrt() + 0.03 * p.sqrt();
            match (what, member) {
                ("pitch_max", "external") => basic - k,
                ("pitch_min", "external") => basic - k - tolerance,
                ("pitch_min", _) => basic,
                ("pitch_max", _) => basic + tolerance,
                ("minor_max", "external") => minor - allow,
                ("minor_min", "external") => minor - allow - 1.5 * tolerance,
                ("minor_max", _) => minor + f64::max(0.05 * p, 0.005),
                ("major_min", _) => d + allow,
                other => panic!("{other:?}"),
            }
        }
        ("stub_acme", ..) => match (what, member) {
            ("pitch_max", _) => basic - 0.008 * d.sqrt(),
            ("pitch_min", _) => basic,
            ("minor_min", _) => minor,
            ("minor_max", _) => minor - 0.02,
            other => panic!("{other:?}"),
        },
        ("trapezoidal", ..) => {
            let ac = [(1.5, 0.15), (5.0, 0.25), (12.0, 0.5)].into_iter().find(|(most, _)| p <= *most).map_or(1.0, |x| x.1);
            if what == "minor_max" { minor - 2.0 * ac } else { d + 2.0 * ac }
        }
        other => panic!("{other:?}"),
    }
}

#[test]
fn every_recalled_value_is_reached_a_second_way() {
    let rows: Vec<Row> = csv::Reader::from_path("../core/data/recalled.csv").unwrap().into_deserialize().map(Result::unwrap).collect();
    for row in &rows {
        // Tables round to their last place, BA to a hundredth, and build on parts rounded before.
        let slack = if row.unit == "in" {
            0.9e-4
        } else if row.callout.ends_with("BA") {
            5.1e-3
        } else {
            1.6e-3
        };
        let reached = second(row);
        assert!((reached - row.value).abs() < slack, "{} {} {}: {reached} but {}", row.callout, row.member, row.quantity, row.value);
    }
}

#[test]
fn both_members_of_one_callout_are_those_of_its_mate_alone() {
    for (screw, nut) in [("M20-6g", "M20-6H"), ("7/8-9 UNC-2A", "7/8-9 UNC-2B"), ("M3-6g", "M3-6H"), ("#10-32 UNF-2A", "#10-32 UNF-2B")] {
        let (from_screw, from_nut) = (planned(screw), planned(nut));
        for limit in ["pitch_mm/min", "pitch_mm/max"] {
            for member in ["external", "internal"] {
                let at = format!("/thread/{member}/{limit}/value");
                assert_eq!(from_screw.pointer(&at), from_nut.pointer(&at), "{screw} {at}");
            }
        }
    }
}
