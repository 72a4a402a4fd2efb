//! Rules of infeed.

use crate::working::{Rule, rule};

rule!(INFEED_EXTERNAL = "cut.infeed_external", "Radial infeed from touch", (B: Mm "blank as turned", E: Mm "pitch diameter aimed at", h: Mm "tip to pitch line") -> X: Mm,
    "(B - E)/2 + h", "down to the pitch line from the blank, and on to the tip"; schools ["Bench: 0.6134P or 0.6495P radial, 0.7578P for a sharp tip; 0.75P is 0.6495P already divided by cos 30°, so it is travel of the leaning slide: never divide it again."],
    (B - E) / 2.0 + h);
rule!(INFEED_INTERNAL = "cut.infeed_internal", "Radial infeed from touch", (B: Mm "bore as turned", E: Mm "pitch diameter aimed at", h: Mm "tip to pitch line") -> X: Mm,
    "(E - B)/2 + h", "out to the pitch line from the bore, and on to the tip", (E - B) / 2.0 + h);
rule!(COMPOUND = "cut.compound", "Travel of the leaning slide", (X: Mm "radial infeed", beta: Deg "lean from the cross-slide line") -> t: Mm,
    "X/cos(beta)", "the slant is longer than its depth", X / beta.to_radians().cos());
rule!(RADIAL_OF_COMPOUND = "cut.radial_of_compound", "Radial depth of a setting of the leaning slide", (t: Mm "its travel", beta: Deg "lean from the cross-slide line") -> X: Mm,
    "t*cos(beta)", "the slant turned back", t * beta.to_radians().cos());
rule!(GROOVE_AREA = "cut.groove_area", "Area of the full groove", (f: Mm "flat the tip is worth", X: Mm "radial infeed", alpha: Deg "half angle") -> A: Mm2,
    "f*X + X^2*tan(alpha)", "trapezium", f * X + X * X * alpha.to_radians().tan());
rule!(CONSTANT_AREA = "cut.constant_area", "Depth after pass k of N, each taking the same area", (f: Mm "flat the tip is worth", A: Mm2 "area of the full groove", alpha: Deg "half angle", k: One "pass", N: One "passes") -> x: Mm,
    "(sqrt(f^2 + 4*tan(alpha)*k/N*A) - f)/(2*tan(alpha))", "the groove's area solved for its depth",
    ((f * f + 4.0 * alpha.to_radians().tan() * k / N * A).sqrt() - f) / (2.0 * alpha.to_radians().tan()));
rule!(AREA_FROM = "cut.area_from", "Depth after pass k of the N still to come, each taking the same area", (f: Mm "flat the tip is worth", B: Mm2 "area out already", A: Mm2 "area of the full groove", alpha: Deg "half angle", k: One "pass", N: One "passes to come") -> x: Mm,
    "(sqrt(f^2 + 4*tan(alpha)*(B + k/N*(A - B))) - f)/(2*tan(alpha))", "the groove's area solved for its depth, from a pass set by hand",
    ((f * f + 4.0 * alpha.to_radians().tan() * (B + k / N * (A - B))).sqrt() - f) / (2.0 * alpha.to_radians().tan()));
rule!(EVEN_DEPTH = "cut.even_depth", "Depth after pass k of N, even steps", (X: Mm "radial infeed", k: One "pass", N: One "passes") -> x: Mm,
    "k*X/N", "every pass goes the same deeper; between straight sides that takes the same area", k * X / N);
rule!(EVEN_FROM = "cut.even_from", "Depth after pass k of the N still to come, even steps", (b: Mm "depth already", X: Mm "radial infeed", k: One "pass", N: One "passes to come") -> x: Mm,
    "b + k*(X - b)/N", "every pass goes the same deeper, from where the groove stands", b + k * (X - b) / N);
rule!(FORM_STARTS = "cut.form_starts", "Depth at which the form tool begins to cut", (S: Mm "depth the stocking tool went to", f: Mm "tip of the form tool", s: Mm "tip of the stocking tool", alpha: Deg "half angle") -> x: Mm,
    "S - (f - s)/(2*tan(alpha))", "the form tool's flanks meet those the stocking tool left", S - (f - s) / (2.0 * alpha.to_radians().tan()));
rule!(FIRST_CUT = "cut.first_cut", "Boldest first cut here", (b: Mm "boldest in this material", s: One "share for the style", X: Mm "whole depth", l: Mm "least cut that still cuts") -> x: Mm,
    "max(l, min(b*s, X/3))", "bench practice: a chip from both flanks at once asks for less, and no first cut is over a third of the depth", l.max((b * s).min(X / 3.0)));
rule!(MOST_AREA = "cut.most_area", "Most a pass may take here", (a: Mm2 "most in this material on a big lathe", k: One "share this lathe takes", s: One "share for the style") -> A: Mm2,
    "a*k*s", "house values: a bench lathe takes a third of a big one", a * k * s);
rule!(LATHE_SHARE = "cut.lathe_share", "Share of a big lathe's cut that this one takes", (d: Mm "diameter of its leadscrew") -> k: One,
    "min(1, max(1/3, d/32))", "house value: how stiff a lathe is goes by its size, and its leadscrew tells that", (d / 32.0).clamp(1.0 / 3.0, 1.0));
rule!(EDGE_IN_CUT = "cut.edge", "Length of edge in the cut", (f: Mm "flat the tip is worth", k: One "flanks that cut", X: Mm "depth", alpha: Deg "half angle") -> w: Mm,
    "f + k*X/cos(alpha)", "geometry of the tip", f + k * X / alpha.to_radians().cos());
rule!(PRESSURE = "cut.pressure", "Cutting pressure at this chip, N/mm²", (k: One "pressure at a chip of 1 mm, N/mm²", A: Mm2 "area of the chip", w: Mm "edge in the cut") -> p: One,
    "k*(w/A)^0.25", "after Kienzle (recalled): it grows as the fourth root of the thinness, and the chip is its area over its edge", k * (w / A).powf(0.25));
rule!(CUTTING_FORCE = "cut.force", "Cutting force, N", (p: One "cutting pressure, N/mm²", A: Mm2 "area of the chip") -> F: One, "p*A", "definition", p * A);
rule!(PASS_TIME = "cut.pass_time", "Time the tool is in the cut, each pass", (l: Mm "threaded length", r: Mm "run-up and run-out", L: Mm "lead", n: Rpm "spindle speed") -> t: S,
    "60*(l + r)/(L*n)", "the carriage goes a lead for every turn", 60.0 * (l + r) / (L * n));
rule!(WHOLE_TIME = "cut.whole_time", "Time for all passes", (N: One "passes", s: One "starts", t: S "in the cut, each", b: S "back again, each", h: S "setting, each") -> T: S,
    "N*s*(t + b + h)", "every pass of every start is cut, brought back and set; bench practice for the last two", N * s * (t + b + h));
rule!(SIZE_EXTERNAL = "cut.size_external", "Pitch diameter at this depth", (B: Mm "blank as turned", X: Mm "radial depth set", h: Mm "tip to pitch line") -> E: Mm,
    "B - 2*(X - h)", "the infeed formula turned round", B - 2.0 * (X - h));
rule!(SIZE_INTERNAL = "cut.size_internal", "Pitch diameter at this depth", (B: Mm "bore as turned", X: Mm "radial depth set", h: Mm "tip to pitch line") -> E: Mm,
    "B + 2*(X - h)", "the infeed formula turned round", B + 2.0 * (X - h));

rule!(LEFT_FOR_DIE = "cut.left_for_die", "Pitch diameter left for the die", (E: Mm "pitch diameter when the die has passed", l: Mm "left for it") -> S: Mm, "E + l", "bench practice: a tenth to two tenths of a millimeter, no more than a quarter of the depth", E + l);
rule!(LEFT_FOR_TAP = "cut.left_for_tap", "Pitch diameter left for the tap", (E: Mm "pitch diameter when the tap has passed", l: Mm "left for it") -> S: Mm, "E - l", "bench practice: a tenth to two tenths of a millimeter, no more than a quarter of the depth", E - l);
rule!(AIM_LIKE_SCREW = "cut.aim_like_screw", "Aim, to match the part measured", (o: Mm "its pitch diameter", c: Mm "how much looser") -> E: Mm, "o - c", "the original measured the same way, less the clearance chosen", o - c);
rule!(AIM_LIKE_BORE = "cut.aim_like_bore", "Aim, to match the part measured", (o: Mm "its pitch diameter", c: Mm "how much looser") -> E: Mm, "o + c", "the original measured the same way, and the clearance chosen", o + c);
rule!(AIM_BY_FEEL_SCREW = "cut.aim_by_feel_screw", "Aim, proven by the mate alone", (m: Mm "the nut", d: Mm "how much larger it may be", c: Mm "clearance at which it runs free") -> E: Mm,
    "m + d - c", "where the loosest nut it may be runs free; the rest is taken by trials", m + d - c);
rule!(AIM_BY_FEEL_BORE = "cut.aim_by_feel_bore", "Aim, proven by the mate alone", (m: Mm "the screw", d: Mm "how much smaller it may be", c: Mm "clearance at which it runs free") -> E: Mm,
    "m - d + c", "where the loosest screw it may be runs free; the rest is taken by trials", m - d + c);

rule!(WELL_SHORT = "cut.well_short", "Depth to stop at and measure", (X: Mm "whole depth with the tip taken", k: One "share left") -> x: Mm,
    "X*(1 - k)", "house: more is left than any tip the form allows can be out", X * (1.0 - k));

/// All of them.
pub static ALL: &[&Rule] = &[
    &WELL_SHORT,
    &AIM_LIKE_SCREW,
    &AIM_LIKE_BORE,
    &AIM_BY_FEEL_SCREW,
    &AIM_BY_FEEL_BORE,
    &INFEED_EXTERNAL,
    &INFEED_INTERNAL,
    &COMPOUND,
    &RADIAL_OF_COMPOUND,
    &GROOVE_AREA,
    &CONSTANT_AREA,
    &AREA_FROM,
    &EVEN_DEPTH,
    &EVEN_FROM,
    &FORM_STARTS,
    &FIRST_CUT,
    &MOST_AREA,
    &LATHE_SHARE,
    &EDGE_IN_CUT,
    &PRESSURE,
    &LEFT_FOR_DIE,
    &LEFT_FOR_TAP,
    &CUTTING_FORCE,
    &PASS_TIME,
    &WHOLE_TIME,
    &SIZE_EXTERNAL,
    &SIZE_INTERNAL,
];
