//! The blank to scale: half section above the axis.

use crate::outline::{Dimension, Drawing, Shape};
use crate::quantity::mm_text;
use crate::thread::Side;
use crate::thread::section::Thread;
use crate::working::Quantity;

/// Draws the blank or bore with its chamfer, relief and shoulder; the thread starts at the left-hand
/// free end.
pub(super) fn blank(thread: &Thread, used: f64, chamfer: f64, relief: Option<(f64, f64)>, shoulder: bool) -> Drawing {
    let external = thread.spec.side == Side::External;
    let (length, r) = (thread.length, used / 2.0);
    let bevel = (used - chamfer).abs() / 2.0;
    // A long part is shown broken off: its ends are what matters.
    let shown = length.min(used * 2.2).max(relief.map_or(0.0, |x| x.1 * 2.0));
    let mut edge = vec![[0.0, chamfer / 2.0], [bevel, r]];
    let end = if let Some((diameter, width)) = relief {
        edge.extend([[shown - width, r], [shown - width, diameter / 2.0], [shown, diameter / 2.0]]);
        shown
    } else {
        edge.push([shown, r]);
        shown
    };
    let step = used * 0.22;
    let tail = end + used * 0.35;
    let mut metal;
    let height;
    if external {
        metal = vec![[0.0, 0.0]];
        metal.extend(edge.iter().copied());
        if shoulder {
            metal.extend([[end, r + step], [tail, r + step]]);
        } else {
            metal.push([tail, r]);
        }
        metal.push([tail, 0.0]);
        height = r + step;
    } else {
        let wall = r + used * 0.3;
        metal = vec![[0.0, wall]];
        metal.extend(edge.iter().copied());
        if shoulder {
            metal.extend([[end, 0.0], [tail, 0.0]]);
        } else {
            metal.push([tail, r]);
        }
        metal.push([tail, wall]);
        height = wall;
    }
    let mirrored = metal.iter().map(|p| [p[0], -p[1]]).collect();
    let mut dimensions = vec![
        Dimension {
            name: "diameter",
            says: if external { "blank diameter" } else { "bore" },
            figure: Quantity::length(used),
            from: [-used * 0.55, -r],
            to: [-used * 0.55, r],
        },
        Dimension {
            name: "length",
            says: "threaded length",
            figure: Quantity::given(length),
            from: [0.0, -height - used * 0.17],
            to: [end, -height - used * 0.17],
        },
    ];
    if let Some((diameter, width)) = relief {
        dimensions.push(Dimension {
            name: "relief_diameter",
            says: "relief diameter",
            figure: Quantity::length(diameter),
            from: [end - width / 2.0, -diameter / 2.0],
            to: [end - width / 2.0, diameter / 2.0],
        });
        dimensions.push(Dimension {
            name: "relief_width",
            says: "relief width",
            figure: Quantity::length(width),
            from: [end - width, height + used * 0.08],
            to: [end, height + used * 0.08],
        });
    }
    Drawing {
        says: format!(
            "{} of {}, threaded length {}{}.",
            if external { "Blank" } else { "Bore" },
            mm_text(used),
            mm_text(length),
            relief.map_or_else(String::new, |(d, w)| format!(", relief {} wide down to {}", mm_text(w), mm_text(d)))
        ),
        bounds: [-used * 0.6, -height - used * 0.24, tail + used * 0.24, height + used * 0.26],
        shapes: vec![
            Shape::closed("blank.metal", metal),
            Shape::closed("blank.metal", mirrored),
            Shape::open("line.axis", vec![[-used * 0.08, 0.0], [tail + used * 0.05, 0.0]]),
            Shape::open("blank.thread", vec![[0.0, chamfer / 2.0], [end - relief.map_or(0.0, |x| x.1), chamfer / 2.0]]),
        ],
        dimensions,
    }
}
