//! Rules of threads made by die or tap.

use crate::working::{Rule, rule};

rule!(DEPTH_SCREW = "chaser.depth_screw", "Depth of the groove a die cuts", (D: Mm "nominal diameter", E: Mm "pitch diameter", h: Mm "tip to pitch line") -> X: Mm,
    "(D - E)/2 + h", "from the crest it raises to the root of the form", (D - E) / 2.0 + h);
rule!(DEPTH_NUT = "chaser.depth_nut", "Depth of the groove a tap cuts", (E: Mm "pitch diameter", B: Mm "hole", h: Mm "tip to pitch line") -> X: Mm,
    "(E - B)/2 + h", "from the hole to the root of the form", (E - B) / 2.0 + h);
rule!(SECTION = "chaser.section", "Section of the groove", (X: Mm "its depth", f: Mm "flat at its root", alpha: Deg "half angle") -> A: Mm2,
    "f*X + X^2*tan(alpha)", "geometry of the groove", f * X + X * X * alpha.to_radians().tan());
rule!(CHIP_EDGE = "chaser.chip_edge", "Edge in the cut, each tooth", (A: Mm2 "section of the groove", X: Mm "its depth", n: One "teeth in the lead") -> w: Mm,
    "A/(X/n)", "house: the groove is taken by as many teeth, each so much deeper", A / (X / n));
rule!(TWIST = "chaser.twist", "Torque, N·m", (k: One "cutting pressure, N/mm²", A: Mm2 "section of the groove", E: Mm "pitch diameter", t: One "times, for wear") -> T: One,
    "t*k*A*E/2/1000", "the whole groove is cut at once along the lead, at the pitch line", t * k * A * E / 2.0 / 1000.0);
rule!(EACH_HAND = "chaser.each_hand", "Force of each hand, N", (T: One "torque, N·m", l: Mm "from hand to hand") -> F: One,
    "1000*T/l", "a couple: each hand as far from the other as the handle is long", 1000.0 * T / l);
rule!(EACH_JAW = "chaser.each_jaw", "Force of each of three jaws that holds it, N", (T: One "torque, N·m", d: Mm "diameter held") -> F: One,
    "1000*T/(3*0.15*d/2)", "friction of steel on steel, 0.15 (house value), under three jaws", 1000.0 * T / (3.0 * 0.15 * d / 2.0));
rule!(BEVEL = "chaser.bevel", "Length of the bevel", (B: Mm "blank", c: Mm "its end", b: Deg "angle from the axis") -> l: Mm,
    "(B - c)/2/tan(b)", "geometry: from the blank to under the root", (B - c) / 2.0 / b.to_radians().tan());
rule!(SHORT = "chaser.short", "What its lead leaves short", (P: Mm "pitch", n: One "pitches") -> s: Mm, "n*P", "bench practice: three pitches, half as much with the die turned round", n * P);
rule!(FULL_DEPTH = "chaser.full_depth", "Depth to the full diameter", (L: Mm "threaded length", P: Mm "pitch", n: One "pitches of the last tap's lead", p: Mm "its point") -> H: Mm,
    "L + (n + 2)*P + p", "the thread, the lead of the last tap, two pitches for chips, and the tap's point", L + (n + 2.0) * P + p);
rule!(TIP_DEPTH = "chaser.tip_depth", "Depth to the drill's tip", (H: Mm "depth to the full diameter", d: Mm "drill") -> t: Mm, "H + 0.3*d", "the cone of a 118° drill; 0.21 of it at 135°", H + 0.3 * d);
rule!(SURFACE = "chaser.surface", "Surface speed", (d: Mm "diameter", n: Rpm "spindle speed") -> v: Mpm, "pi*d*n/1000", "definition", std::f64::consts::PI * d * n / 1000.0);

/// All of them.
pub static ALL: &[&Rule] = &[&DEPTH_SCREW, &DEPTH_NUT, &SECTION, &CHIP_EDGE, &TWIST, &EACH_HAND, &EACH_JAW, &BEVEL, &SHORT, &FULL_DEPTH, &TIP_DEPTH, &SURFACE];
