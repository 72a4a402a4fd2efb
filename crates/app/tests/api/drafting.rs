//! Drawings as files, read back.

use dxf::entities::EntityType;
use dxf::enums::Units;
use serde_json::json;
use yoke_core::bit::{BitSheet, sheet};
use yoke_core::faults::read_json;
use yoke_core::job::{PlanRequest, settle};
use yoke_core::outline::Point;
use yoke_core::plan::plan;
use yoke_core::voice::Voice;
use yoke_server::drafting::{to_dxf, to_svg};

fn drawn(callout: &str, side: &str, bit: serde_json::Value) -> BitSheet {
    let (request, faults) = read_json::<PlanRequest>(json!({"thread": {"callout": callout, "side": side}, "bit": bit, "blank": {"shoulder": true}}));
    let (job, lathe, kit) = settle(&request, None, faults).unwrap();
    let plan = plan(&job, &lathe, &kit);
    let point = plan.pointed().unwrap();
    sheet(point.thread, point.bit, point.cut.radial_mm.value, Voice::default())
}

/// Corner points of the first line of a role, read back from DXF.
fn from_dxf(bytes: &[u8], role: &str) -> Vec<Point> {
    let file = dxf::Drawing::load(&mut std::io::Cursor::new(bytes)).unwrap();
    assert_eq!(file.header.default_drawing_units, Units::Millimeters);
    let found = file.entities().find(|e| e.common.layer == role).unwrap_or_else(|| panic!("no {role}"));
    let EntityType::LwPolyline(line) = &found.specific else { panic!("{role} is no line") };
    line.vertices.iter().map(|v| [v.x, v.y]).collect()
}

/// The same from SVG, in mm of the thing drawn: the sheet is in mm and as many of its own units wide.
fn from_svg(text: &str, role: &str, scale: f64) -> Vec<Point> {
    let sheet = roxmltree::Document::parse(text).unwrap();
    let root = sheet.root_element();
    let wide: f64 = root.attribute("width").unwrap().trim_end_matches("mm").parse().unwrap();
    let view: Vec<f64> = root.attribute("viewBox").unwrap().split(' ').map(|v| v.parse().unwrap()).collect();
    assert!((view[2] - wide).abs() < 1e-9, "one unit of the sheet is a millimetre");
    let bar = sheet.descendants().find(|n| n.attribute("class") == Some("calibration")).unwrap();
    let ends = ["x1", "x2"].map(|a| bar.attribute(a).unwrap().parse::<f64>().unwrap());
    assert!((ends[1] - ends[0] - 50.0).abs() < 0.01);
    let found = sheet.descendants().find(|n| n.attribute("class") == Some(role)).unwrap();
    found
        .attribute("points")
        .unwrap()
        .split(' ')
        .map(|p| {
            let (x, y) = p.split_once(',').unwrap();
            [x.parse::<f64>().unwrap() / scale, -y.parse::<f64>().unwrap() / scale]
        })
        .collect()
}

/// Width of the tip and the angle between the two flanks that leave it.
fn tip_of(face: &[Point]) -> (f64, f64) {
    let leans = |a: Point, b: Point| (b[0] - a[0]).abs().atan2((b[1] - a[1]).abs()).to_degrees();
    let last = face.iter().rposition(|p| *p != face[0]).unwrap();
    (face[1][0] - face[0][0], leans(face[1], face[2]) + leans(face[0], face[last]))
}

#[test]
fn files_read_back_to_the_bit_that_was_drawn() {
    for (callout, side, flat, angle) in [
        ("M20x2.5", "external", 0.31, 60.0),
        ("1-1/4-5 Acme", "internal", 1.72, 29.0),
        ("5/8 BSW", "external", 0.2, 55.0),
        ("Tr40x14(P7)", "external", 2.3, 30.0),
    ] {
        let views = drawn(callout, side, json!({"tip_flat_mm": flat})).views;
        let dxf = from_dxf(&to_dxf(&views).unwrap(), "bit.face");
        let (read_flat, read_angle) = tip_of(&dxf);
        assert!((read_flat - flat).abs() < 0.01 && (read_angle - angle).abs() < 0.02, "{callout}: {read_flat} {read_angle}");
        for scale in [1.0, 10.0] {
            let svg = from_svg(&to_svg(&views, scale), "bit.face", scale);
            let (read_flat, read_angle) = tip_of(&svg);
            assert!((read_flat - flat).abs() < 0.01 && (read_angle - angle).abs() < 0.05, "{callout} {scale}: {read_flat} {read_angle}");
            // Every corner of one file lies as far from the first as in the other.
            for (a, b) in dxf.iter().zip(&svg) {
                assert!((a[0] - dxf[0][0] - b[0] + svg[0][0]).abs() < 0.01 && (a[1] - dxf[0][1] - b[1] + svg[0][1]).abs() < 0.01);
            }
        }
    }
    // The relief tool's blade is as wide as it says, round corners and all; a round tip keeps its radius.
    let all = drawn("M20x2.5", "external", json!({"tip_radius_mm": 0.3}));
    let tool = all.relief_tool.unwrap();
    let blade = from_dxf(&to_dxf(&tool).unwrap(), "bit.face");
    let across = |line: &[Point], above: f64| {
        let x = line.iter().filter(|p| p[1] > above).map(|p| p[0]);
        x.clone().fold(f64::MIN, f64::max) - x.fold(f64::MAX, f64::min)
    };
    assert!((across(&blade, -2.5) - tool.dimensions[0].figure.value).abs() < 0.01);
    let round = from_dxf(&to_dxf(&all.views).unwrap(), "bit.face");
    for p in &round[0..25] {
        assert!((p[0].hypot(p[1] + 0.3) - 0.3).abs() < 0.01, "{p:?}");
    }
}
