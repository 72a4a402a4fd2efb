//! A drawing of the core as a file: SVG at a scale with a bar to check it by, and DXF in millimetres.

use dxf::entities::{Circle as DxfCircle, Entity, EntityType, LwPolyline, Text as DxfText};
use dxf::enums::{HorizontalTextJustification, Units};
use dxf::{LwPolylineVertex, Point as DxfPoint};
use svg::Document;
use svg::node::element::{Circle, Group, Line, Polyline, Text};
use yoke_core::outline::{Drawing, Point};

/// Length of the bar printed under a drawing, mm on the paper.
pub const BAR_MM: f64 = 50.0;
/// Height of the lettering under a drawing, mm on the paper; of letters smaller than half of it nobody reads any.
const LETTER_MM: f64 = 3.2;
/// Width of a letter of it, mm, about.
const LETTER_WIDE_MM: f64 = 0.55 * LETTER_MM;
/// Border about the drawing, mm on the paper.
const BORDER_MM: f64 = 8.0;

/// Words and figures of a drawing, each with the middle of its text.
fn words(drawing: &Drawing) -> impl Iterator<Item = (Point, String)> + '_ {
    let said = drawing.shapes.iter().filter(|s| s.is_word()).filter_map(|s| s.line.first().copied().zip(s.label.clone()));
    said.chain(drawing.dimensions.iter().map(|d| (d.at, d.shown())))
}

/// Its lines, each with its kind and whether it closes: those of dimensions and teeth too.
fn lines(drawing: &Drawing) -> impl Iterator<Item = (&str, Vec<Point>, bool)> {
    let toothed = |s: &yoke_core::outline::Shape| Some(s.teeth.as_ref()?.outline([s.circle?.x, s.circle?.y]).collect());
    let shapes = drawing.shapes.iter().filter(|s| !s.is_word() && s.part.is_none()).map(move |s| match toothed(s) {
        Some(outline) => (s.role, outline, true),
        None => (s.role, s.line.clone(), s.closed),
    });
    let dimensions = drawing.dimensions.iter().flat_map(|d| &d.lines).map(|l| ("dimension", l.to_vec(), false));
    shapes.chain(dimensions).filter(|(_, line, _)| line.len() > 1)
}

/// Its plain circles.
fn circles(drawing: &Drawing) -> impl Iterator<Item = (&str, yoke_core::outline::Circle)> {
    drawing.shapes.iter().filter(|s| s.teeth.is_none()).filter_map(|s| Some((s.role, s.circle?)))
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
    let mut drawn = Group::new().set("fill", "none").set("stroke", "black").set("stroke-width", 0.25).set("stroke-linejoin", "round");
    for (role, c) in circles(drawing) {
        drawn = drawn.add(Circle::new().set("class", role).set("cx", x(c.x)).set("cy", y(c.y)).set("r", c.r * scale));
    }
    for (role, line, closed) in lines(drawing) {
        let closing = line.first().filter(|_| closed);
        let points: Vec<String> = line.iter().chain(closing).map(|p| format!("{:.4},{:.4}", x(p[0]), y(p[1]))).collect();
        let dashed = if role.starts_with("line.") && role != "line.leader" { "2 1" } else { "none" };
        // Two weights: the thing, and what is said of it.
        let weight = if role == "dimension" || role.starts_with("line.") { 0.13 } else { 0.35 };
        drawn = drawn.add(Polyline::new().set("class", role).set("stroke-dasharray", dashed).set("stroke-width", weight).set("points", points.join(" ")));
    }
    let letter = drawing.letter_mm * scale;
    let mut letters = Group::new().set("font-family", "sans-serif").set("font-size", letter).set("text-anchor", "middle");
    // Drawn so small that nobody could read a word, the outline stands alone.
    if letter >= LETTER_MM / 2.0 {
        for ([at, up], text) in words(drawing) {
            letters = letters.add(Text::new(text).set("x", x(at)).set("y", y(up) + letter * 0.36));
        }
    }
    let level = tall - foot + 2.0 * LETTER_MM;
    let bar = Line::new().set("class", "calibration").set("x1", BORDER_MM).set("x2", BORDER_MM + BAR_MM).set("y1", level).set("y2", level);
    Document::new()
        .set("width", format!("{wide:.4}mm"))
        .set("height", format!("{tall:.4}mm"))
        .set("viewBox", format!("0 0 {wide:.4} {tall:.4}"))
        .add(svg::node::element::Title::new(drawing.says.clone()))
        .add(drawn)
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
    for (role, c) in circles(drawing) {
        add(role, EntityType::Circle(DxfCircle::new(DxfPoint::new(c.x, c.y, 0.0), c.r)));
    }
    for (role, points, closed) in lines(drawing) {
        let mut line = LwPolyline {
            vertices: points.iter().map(|p| LwPolylineVertex { x: p[0], y: p[1], ..LwPolylineVertex::default() }).collect(),
            ..LwPolyline::default()
        };
        line.set_is_closed(closed);
        add(role, EntityType::LwPolyline(line));
    }
    let height = drawing.letter_mm * 0.7;
    for (point, value) in words(drawing) {
        // By the middle of the text, as it was placed.
        let location = DxfPoint::new(point[0], point[1], 0.0);
        // Degree signs as DXF writes them.
        add(
            "words",
            EntityType::Text(DxfText {
                location: location.clone(),
                second_alignment_point: location,
                horizontal_text_justification: HorizontalTextJustification::Middle,
                text_height: height,
                value: value.replace('°', "%%d").replace('⌀', "%%c"),
                ..DxfText::default()
            }),
        );
    }
    let mut bytes = Vec::new();
    file.save(&mut bytes)?;
    Ok(bytes)
}
