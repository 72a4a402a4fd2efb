//! Rules of the blank, the bore and the relief.

use crate::working::{Rule, rule};

rule!(FULL_SIXTY = "blank.full_sixty", "Full depth on diameter, as percentages count it", (P: Mm "pitch") -> F: Mm,
    "1.299038105676658*P", "two single depths of 0.6495P are 100 % at 60°"; schools ["76.98 % is the bench rule D − P.", "Some count per cent of the basic 1.0825P instead: divide by 0.8333."],
    1.299_038_105_676_658 * P);
rule!(FULL_BASIC = "blank.full_basic", "Full depth on diameter, as percentages count it", (D: Mm "nominal diameter", D1: Mm "basic minor diameter") -> F: Mm,
    "D - D1", "twice the basic depth is 100 %", D - D1);
rule!(BORE_OF_SHARE = "blank.bore_of_share", "Bore for a share of a full thread", (D: Mm "nominal diameter", e: One "per cent of full depth", F: Mm "full depth on diameter") -> B: Mm,
    "D - e/100*F", "share of the depth taken off the diameter", D - e / 100.0 * F);
rule!(SHARE_OF_BORE = "blank.share_of_bore", "Share of a full thread this bore leaves", (D: Mm "nominal diameter", B: Mm "bore", F: Mm "full depth on diameter") -> e: One,
    "(D - B)/F*100", "the bore rule turned round", (D - B) / F * 100.0);
rule!(CHAMFER_EXTERNAL = "blank.chamfer_external", "Chamfer to", (d: Mm "minor diameter that must clear") -> c: Mm,
    "d - 0.1", "house: just under the minor, so that the first thread starts whole", d - 0.1);
rule!(CHAMFER_INTERNAL = "blank.chamfer_internal", "Chamfer to", (D: Mm "major diameter") -> c: Mm,
    "D + 0.1", "house: just over the major, so that the first thread starts whole", D + 0.1);
rule!(RELIEF_EXTERNAL = "blank.relief_external", "Relief diameter the tip never reaches", (E: Mm "least pitch diameter", h: Mm "tip to pitch line", c: Mm "clearance on diameter") -> G: Mm,
    "E - 2*h - c", "below the deepest the tip goes, not by a limit", E - 2.0 * h - c);
rule!(RELIEF_INTERNAL = "blank.relief_internal", "Relief diameter the tip never reaches", (E: Mm "largest pitch diameter", h: Mm "tip to pitch line", c: Mm "clearance on diameter") -> G: Mm,
    "E + 2*h + c", "beyond the deepest the tip goes, not by a limit", E + 2.0 * h + c);
rule!(HALF_CUT = "blank.half_cut", "Half the cut's width at full depth", (f: Mm "flat the tip is worth", d: Mm "crest to root", alpha: Deg "half angle") -> w: Mm,
    "f/2 + d*tan(alpha)", "geometry of the groove", f / 2.0 + d * alpha.to_radians().tan());
rule!(RELIEF_WIDTH = "blank.relief_width", "Least relief width", (w: Mm "half the cut's width", s: Mm "stopping distance", P: Mm "pitch") -> W: Mm,
    "max(2*P, w + s + 0.5)", "room for the trailing half of the cut, to stop, and half a millimetre; never under two pitches",
    (w + s + 0.5).max(2.0 * P));

rule!(
    RELIEF_START = "blank.relief_start", "Least relief width to start in",
    (w: Mm "half the cut's width", b: Mm "backlash to take up", P: Mm "pitch") -> W: Mm,
    "max(2*P, 2*w + b + 0.5)", "the whole cut stands in the relief before it moves, backlash is taken up, and half a millimetre; never under two pitches",
    (2.0 * w + b + 0.5).max(2.0 * P));

rule!(DIE_BLANK = "blank.die", "Blank for a thread a die finishes", (d: Mm "nominal diameter", P: Mm "pitch") -> B: Mm, "d - 0.1*P", "bench: a die raises the crests", d - 0.1 * P);
rule!(SLENDER = "blank.slender", "Stick-out over diameter", (L: Mm "stick-out", d: Mm "diameter") -> k: One, "L/d", "definition; past 3 asks for a centre, past 8 with one for a steady", L / d);
rule!(BEND_FREE = "blank.bend_free", "How far it bends, far end free", (F: One "cutting force, N", L: Mm "stick-out", E: One "modulus, N/mm²", d: Mm "diameter") -> y: Mm,
    "64*F*L^3/(3*pi*E*d^4)", "cantilever F·L³/3EI, I = πd⁴/64", 64.0 * F * L.powi(3) / (3.0 * std::f64::consts::PI * E * d.powi(4)));
rule!(BEND_CENTRE = "blank.bend_centre", "How far it bends, held by a centre", (F: One "cutting force, N", L: Mm "stick-out", E: One "modulus, N/mm²", d: Mm "diameter") -> y: Mm,
    "64*F*L^3/(48*sqrt(5)*pi*E*d^4)", "chuck and centre, worst place: F·L³/(48√5·EI), I = πd⁴/64", 64.0 * F * L.powi(3) / (48.0 * 5_f64.sqrt() * std::f64::consts::PI * E * d.powi(4)));

rule!(QUARTER_IN = "blank.quarter_in", "A quarter of the way in from a limit", (a: Mm "the limit leaned to", b: Mm "the other") -> m: Mm,
    "(3*a + b)/4", "house: toward one limit with room left; soft stock raises its crests, so lean low and file before measuring", (3.0 * a + b) / 4.0);

/// All of them.
pub static ALL: &[&Rule] = &[
    &QUARTER_IN,
    &FULL_SIXTY,
    &FULL_BASIC,
    &BORE_OF_SHARE,
    &SHARE_OF_BORE,
    &CHAMFER_EXTERNAL,
    &CHAMFER_INTERNAL,
    &RELIEF_EXTERNAL,
    &RELIEF_INTERNAL,
    &HALF_CUT,
    &RELIEF_WIDTH,
    &RELIEF_START,
    &DIE_BLANK,
    &SLENDER,
    &BEND_FREE,
    &BEND_CENTRE,
];
