//! A drawing of the core as a file: SVG at a scale with a bar to check it by, and DXF in millimetres.

use dxf::entities::{Circle as DxfCircle, Entity, EntityType, LwPolyline, Text as DxfText};
use dxf::enums::Units;
use dxf::{LwPolylineVertex, Point as DxfPoint};
use svg::Document;
use svg::node::element::{Circle, Group, Line, Polyline, Text};
use yoke_core::outline::{Drawing, Point};

/// Length of the bar printed under a drawing, mm on the paper.
pub const BAR_MM: f64 = 50.0;
/// Height of the lettering, mm on the paper.
const LETTER_MM: f64 = 3.2;
/// Width of a letter of it, mm, about.
const LETTER_WIDE_MM: f64 = 0.55 * LETTER_MM;
/// Border about the drawing, mm on the paper.
const BORDER_MM: f64 = 8.0;

/// Words and figures of a drawing, each at its point.
fn words(drawing: &Drawing) -> impl Iterator<Item = (Point, String)> + '_ {
    let said = drawing.shapes.iter().filter(|s| s.role.starts_with("word")).filter_map(|s| s.line.first().copied().zip(s.label.clone()));
    let figures = drawing.dimensions.iter().map(|d| ([(d.from[0] + d.to[0]) / 2.0, (d.from[1] + d.to[1]) / 2.0], d.figure.text.clone()));
    said.chain(figures)
}

/// Whether any two words, set in the middle of their points, would stand on one another.
fn crowded(words: &[(Point, String)]) -> bool {
    #[allow(clippy::cast_precision_loss)] // a word
    let half = |text: &str| text.chars().count() as f64 * LETTER_WIDE_MM / 2.0;
    let apart = |(a, t): &(Point, String), (b, u): &(Point, String)| (a[1] - b[1]).abs() >= LETTER_MM || (a[0] - b[0]).abs() >= half(t) + half(u);
    words.iter().enumerate().any(|(i, w)| words[..i].iter().any(|v| !apart(v, w)))
}

/// The drawing as SVG, `scale` mm on the paper for each of its own, with a bar of 50 mm to check the print by.
pub fn to_svg(drawing: &Drawing, scale: f64) -> String {
    let [left, bottom, right, top] = drawing.bounds;
    let said = format!("This bar is {BAR_MM} mm when the print is {scale}:1");
    #[allow(clippy::cast_precision_loss)] // a line
    let wide = ((right - left) * scale).max(said.len() as f64 * LETTER_WIDE_MM) + 2.0 * BORDER_MM;
    let foot = BORDER_MM + 3.0 * LETTER_MM;
    let tall = (top - bottom) * scale + BORDER_MM + foot;
    let x = |v: f64| (v - left) * scale + BORDER_MM;
    let y = |v: f64| (top - v) * scale + BORDER_MM;
    let mut lines = Group::new().set("fill", "none").set("stroke", "black").set("stroke-width", 0.25).set("stroke-linejoin", "round");
    for shape in drawing.shapes.iter().filter(|s| !s.role.starts_with("word")) {
        if let Some(c) = shape.circle {
            lines = lines.add(Circle::new().set("class", shape.role).set("cx", x(c.x)).set("cy", y(c.y)).set("r", c.r * scale));
            continue;
        }
        let closing = shape.line.first().filter(|_| shape.closed);
        let points: Vec<String> = shape.line.iter().chain(closing).map(|p| format!("{:.4},{:.4}", x(p[0]), y(p[1]))).collect();
        let dashed = if shape.role.starts_with("line.") { "2 1" } else { "none" };
        lines = lines.add(Polyline::new().set("class", shape.role).set("stroke-dasharray", dashed).set("points", points.join(" ")));
    }
    let mut letters = Group::new().set("font-family", "sans-serif").set("font-size", LETTER_MM).set("text-anchor", "middle");
    let placed: Vec<(Point, String)> = words(drawing).map(|(p, text)| ([x(p[0]), y(p[1])], text)).collect();
    // Words that would stand on one another tell nothing: drawn so small, the outline stands alone.
    if !crowded(&placed) {
        for ([x, y], text) in placed {
            letters = letters.add(Text::new(text).set("x", x).set("y", y));
        }
    }
    let level = tall - foot + 2.0 * LETTER_MM;
    let bar = Line::new().set("class", "calibration").set("x1", BORDER_MM).set("x2", BORDER_MM + BAR_MM).set("y1", level).set("y2", level);
    Document::new()
        .set("width", format!("{wide:.4}mm"))
        .set("height", format!("{tall:.4}mm"))
        .set("viewBox", format!("0 0 {wide:.4} {tall:.4}"))
        .add(svg::node::element::Title::new(drawing.says.clone()))
        .add(lines)
        .add(letters)
        .add(bar.set("stroke", "black").set("stroke-width", 0.6))
        .add(Text::new(said).set("font-family", "sans-serif").set("font-size", LETTER_MM).set("x", BORDER_MM).set("y", level + LETTER_MM * 1.6))
        .to_string()
}

/// The drawing as DXF, in millimetres, a layer for each kind of line.
///
/// # Errors
/// When the file cannot be composed.
pub fn to_dxf(drawing: &Drawing) -> Result<Vec<u8>, dxf::DxfError> {
    let mut file = dxf::Drawing::new();
    file.header.version = dxf::enums::AcadVersion::R2000;
    file.header.default_drawing_units = Units::Millimeters;
    let mut add = |layer: &str, specific: EntityType| {
        let mut entity = Entity::new(specific);
        layer.clone_into(&mut entity.common.layer);
        file.add_entity(entity);
    };
    for shape in drawing.shapes.iter().filter(|s| !s.role.starts_with("word")) {
        if let Some(c) = shape.circle {
            add(shape.role, EntityType::Circle(DxfCircle::new(DxfPoint::new(c.x, c.y, 0.0), c.r)));
            continue;
        }
        let mut line = LwPolyline {
            vertices: shape.line.iter().map(|p| LwPolylineVertex { x: p[0], y: p[1], ..LwPolylineVertex::default() }).collect(),
            ..LwPolyline::default()
        };
        line.set_is_closed(shape.closed);
        add(shape.role, EntityType::LwPolyline(line));
    }
    let height = (drawing.bounds[3] - drawing.bounds[1]) / 40.0;
    for (point, value) in words(drawing) {
        let location = DxfPoint::new(point[0], point[1], 0.0);
        // Degree signs as DXF writes them.
        add("words", EntityType::Text(DxfText { location, text_height: height, value: value.replace('°', "%%d"), ..DxfText::default() }));
    }
    let mut bytes = Vec::new();
    file.save(&mut bytes)?;
    Ok(bytes)
}
