//! Rules of the bench pad.

use crate::working::{Rule, rule};

rule!(HALF_DIFFERENCE = "pad.half_difference", "Half the difference", (a: Mm "the larger", b: Mm "the smaller") -> y: Mm, "(a - b)/2", "a step's depth or a wall, from two diameters", (a - b) / 2.0);
rule!(GAP_LESS_PIN = "pad.gap_less_pin", "Gap less a pin", (a: Mm "over the pin", b: Mm "the pin") -> y: Mm, "a - b", "what is left when the pin is taken away", a - b);
rule!(METAL_LEFT = "pad.metal_left", "Metal left", (a: Mm "as it measures", b: Mm "to finish at") -> y: Mm, "abs(a - b)", "still to come off, on diameter", (a - b).abs());
rule!(LOCATION = "pad.location", "Location", (a: Mm "from the face to the first", b: Mm "from the first on") -> y: Mm, "a + b", "two measured surfaces added up", a + b);
rule!(MIDDLE = "pad.middle", "Middle", (a: Mm "one", b: Mm "the other") -> y: Mm, "(a + b)/2", "midway between two", f64::midpoint(a, b));
rule!(RUN_OUT = "pad.run_out", "What run-out does to one side", (t: Mm "whole swing of the indicator") -> y: Mm, "t/2", "a part re-chucked this far out is cut half of it too deep on one side and too shallow on the other", t / 2.0);
rule!(TAPER = "pad.taper", "Taper over the thread", (a: Mm "diameter at the tailstock end", b: Mm "diameter at the headstock end", s: Mm "apart", L: Mm "over") -> y: Mm,
    "(a - b)*L/s", "two diameters over a length, carried on; half of it between the ends is the tailstock's move", (a - b) * L / s);
rule!(FACE_OFF = "pad.face_off", "To face off so that it pulls up at an angle", (L: Mm "lead", v: Deg "degrees still to turn") -> y: Mm, "L*v/360", "one turn is one lead", L * v / 360.0);

/// All of them.
pub static ALL: &[&Rule] = &[&HALF_DIFFERENCE, &GAP_LESS_PIN, &METAL_LEFT, &LOCATION, &MIDDLE, &RUN_OUT, &TAPER, &FACE_OFF];
