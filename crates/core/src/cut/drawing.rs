//! The groove filling pass by pass, as planned.

use crate::cut::row::{PassRow, counted};
use crate::outline::{Dimension, Drawing, Shape};
use crate::say;
use crate::voice::Voice;
use crate::working::Quantity;

/// One groove: the blank's surface at y 0, each pass as the section it leaves. The headstock lies to
/// the left; the slide leans so that the bit's leading side does the cutting.
pub(super) fn groove(
    passes: &[PassRow],
    flat: f64,
    walls_deg: [f64; 2],
    beta_deg: f64,
    total: f64,
    (external, toward_headstock): (bool, bool),
    voice: Voice,
) -> Drawing {
    let ([tan_left, tan_right], tan_b) = (walls_deg.map(|w| w.to_radians().tan()), beta_deg.to_radians().tan());
    let down = if external { -1.0 } else { 1.0 };
    let lean = if toward_headstock { 1.0 } else { -1.0 };
    let section = |x: f64| {
        let centre = lean * (total - x) * tan_b;
        let half = flat / 2.0;
        vec![[centre - half - x * tan_left, 0.0], [centre - half, down * x], [centre + half, down * x], [centre + half + x * tan_right, 0.0]]
    };
    let wide = (flat / 2.0 + total.max(0.1) * tan_left.max(tan_right)) * 1.5;
    let deep = total.max(0.1) * 1.25;
    let mut shapes = vec![Shape::closed("cut.metal", vec![[-wide, 0.0], [wide, 0.0], [wide, down * deep], [-wide, down * deep]])];
    // Deepest first, so that shallower sections lie over it and each pass shows as its own band.
    let mut seen = -1.0;
    for pass in passes.iter().rev() {
        if (pass.radial_mm - seen).abs() > 1e-9 {
            shapes.push(Shape::closed("cut.pass", section(pass.radial_mm)).labelled(pass.n.to_string()));
            seen = pass.radial_mm;
        }
    }
    shapes.push(Shape::open("cut.surface", vec![[-wide, 0.0], [wide, 0.0]]));
    // Seen from above, as the operator sees it.
    shapes.extend(
        [(-0.72, say!(voice, "word-headstock")), (0.72, say!(voice, "word-tailstock"))].map(|(side, end)| Shape::word([side * wide, down * deep * 0.9], end)),
    );
    let (low, high) = if external { (-deep, total * 0.12) } else { (-total * 0.12, deep) };
    Drawing::shared(
        voice,
        say!(voice, "cut-drawn", passes = counted(passes, voice), deep = voice.length(total), tip = voice.coarse(flat)),
        [-wide, low, wide, high],
        shapes,
        vec![Dimension::new("radial", say!(voice, "dim-radial-infeed"), Quantity::length(voice, total), [wide, 0.0], [wide, down * total])],
    )
}
