//! Ways of setting the tool to centre height and square to the work, each drawn: the schools side by side.

use crate::outline::{Drawing, Point, Shape};
use crate::say;
use crate::thread::Side;
use crate::voice::Voice;
use serde::Serialize;

/// One way.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct School {
    /// What it is called.
    pub name: String,
    /// How it is done, and what it shows.
    pub says: String,
    /// Drawn.
    pub drawing: Drawing,
}

const BOUNDS: [f64; 4] = [-60.0, -44.0, 60.0, 44.0];

fn school(voice: Voice, name: impl Into<String>, says: impl Into<String>, shapes: Vec<Shape>) -> School {
    let says = says.into();
    School { name: name.into(), drawing: Drawing::framed(voice, says.clone(), BOUNDS, shapes, Vec::new()), says }
}

/// A tool pointing right, its top face at `y`.
fn tool(tip: f64, y: f64) -> Shape {
    Shape::closed("bit.side", vec![[tip, y], [tip - 44.0, y], [tip - 44.0, y - 13.0], [tip - 5.0, y - 13.0]])
}

/// Centre height. From the tailstock end: the work at the right, the tool coming from the operator's side, at the left, or for a
/// rear post mirrored.
pub(super) fn height(side: Side, rear: bool, voice: Voice) -> Vec<School> {
    let work = || Shape::circle("motion.work", [16.0, 0.0], 24.0);
    let line = || Shape::open("line.centre", vec![[-56.0, 0.0], [56.0, 0.0]]);
    // Nipped between round work and a tip on centre the rule is square to the line from tip to axis.
    let rule: Vec<Point> = vec![[-9.4, -30.0], [-9.4, 34.0], [-8.0, 34.0], [-8.0, -30.0]];

    let mut list = Vec::new();
    if side == Side::External {
        list.push(school(
            voice,
            say!(voice, "height-rule"),
            say!(voice, "height-rule-says", post = if rear { "rear" } else { "front" }),
            vec![work(), line(), tool(-9.4, 0.0), Shape::closed("setup.rule", rule)],
        ));
    }
    list.push(school(
        voice,
        say!(voice, "height-center"),
        say!(voice, "height-center-says"),
        vec![Shape::closed("motion.work", vec![[0.0, 0.0], [34.0, 20.0], [56.0, 20.0], [56.0, -20.0], [34.0, -20.0]]), line(), tool(-1.0, 0.0)],
    ));
    list.push(school(
        voice,
        say!(voice, "height-facing"),
        say!(voice, "height-facing-says"),
        vec![work(), Shape::circle("setup.pip", [16.0, 0.0], 2.6), line(), tool(13.0, 0.0)],
    ));
    list.push(school(
        voice,
        say!(voice, "height-indicator"),
        say!(voice, "height-indicator-says"),
        vec![
            Shape::open("setup.bed", vec![[-56.0, -38.0], [56.0, -38.0]]),
            line(),
            tool(6.0, 0.0),
            Shape::circle("setup.dial", [26.0, 28.0], 11.0),
            Shape::open("setup.stand", vec![[26.0, 17.0], [8.0, 1.0]]),
            Shape::open("setup.stand", vec![[46.0, -38.0], [46.0, 28.0], [37.0, 28.0]]),
        ],
    ));
    list
}

/// Squareness, from above: the work along the top, the tool coming up to it.
pub(super) fn square(side: Side, included_deg: f64, voice: Voice) -> Vec<School> {
    let half = (included_deg / 2.0).to_radians().tan();
    let wide = (14.0 * half).max(3.0);
    let broad = 9.0_f64.max(wide);
    let tool = || vec![Shape::rect("bit.face", [-broad, -42.0], [broad, -8.0]), Shape::closed("bit.face", vec![[-wide, -8.0], [0.0, 6.0], [wide, -8.0]])];
    let work = || Shape::rect("motion.work", [-56.0, 22.0], [56.0, 42.0]);
    // A fishtail gauge, its back along what it is held to, its notch over the point.
    let gauge = |back: f64| {
        Shape::closed("setup.rule", vec![[-40.0, back], [-40.0, -2.0], [-wide - 3.0, -2.0], [0.0, 9.0], [wide + 3.0, -2.0], [40.0, -2.0], [40.0, back]])
    };
    let beside = |shapes: [Shape; 2]| tool().into_iter().chain(shapes).collect::<Vec<_>>();
    let mut list = vec![school(voice, say!(voice, "square-fishtail"), say!(voice, "square-fishtail-says"), beside([work(), gauge(22.0)]))];
    if side == Side::External {
        let square = vec![[-30.0, 22.0], [broad + 7.0, 22.0], [broad + 7.0, -40.0], [broad, -40.0], [broad, 15.0], [-30.0, 15.0]];
        list.push(school(voice, say!(voice, "square-square"), say!(voice, "square-square-says"), beside([work(), Shape::closed("setup.rule", square)])));
        list.push(school(
            voice,
            say!(voice, "square-quill"),
            say!(voice, "square-quill-says"),
            beside([Shape::rect("motion.chuck", [-56.0, 20.0], [56.0, 44.0]), gauge(20.0)]),
        ));
    }
    list.push(school(
        voice,
        say!(voice, "square-chuck"),
        say!(voice, "square-chuck-says"),
        vec![
            Shape::rect("motion.chuck", [-56.0, -42.0], [-30.0, 42.0]),
            Shape::rect("bit.face", [-30.0, -9.0], [48.0, 9.0]),
            Shape::open("line.centre", vec![[-30.0, -30.0], [-30.0, 36.0]]),
        ],
    ));
    list
}
