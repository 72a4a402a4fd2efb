//! Rules of infeed.

use crate::working::{Rule, rule};

rule!(INFEED_EXTERNAL = "cut.infeed_external", "Radial infeed from touch", (B: Mm "blank as turned", E: Mm "pitch diameter aimed at", h: Mm "tip to pitch line") -> X: Mm,
    "(B - E)/2 + h", "down to the pitch line from the blank, and on to the tip"; schools ["Bench: 0.6134P or 0.6495P radial, 0.7578P for a sharp tip; 0.75P is 0.6495P already divided by cos 30°, so it is compound travel: never divide it again."],
    (B - E) / 2.0 + h);
rule!(INFEED_INTERNAL = "cut.infeed_internal", "Radial infeed from touch", (B: Mm "bore as turned", E: Mm "pitch diameter aimed at", h: Mm "tip to pitch line") -> X: Mm,
    "(E - B)/2 + h", "out to the pitch line from the bore, and on to the tip", (E - B) / 2.0 + h);
rule!(COMPOUND = "cut.compound", "Compound travel", (X: Mm "radial infeed", beta: Deg "compound angle from the cross-slide line") -> t: Mm,
    "X/cos(beta)", "the slant is longer than its depth", X / beta.to_radians().cos());
rule!(RADIAL_OF_COMPOUND = "cut.radial_of_compound", "Radial depth of a compound setting", (t: Mm "compound travel", beta: Deg "compound angle from the cross-slide line") -> X: Mm,
    "t*cos(beta)", "the slant turned back", t * beta.to_radians().cos());
rule!(GROOVE_AREA = "cut.groove_area", "Area of the full groove", (f: Mm "flat the tip is worth", X: Mm "radial infeed", alpha: Deg "half angle") -> A: Mm2,
    "f*X + X^2*tan(alpha)", "trapezium", f * X + X * X * alpha.to_radians().tan());
rule!(CONSTANT_AREA = "cut.constant_area", "Depth after pass k of N, each taking the same area", (f: Mm "flat the tip is worth", A: Mm2 "area of the full groove", alpha: Deg "half angle", k: One "pass", N: One "passes") -> x: Mm,
    "(sqrt(f^2 + 4*tan(alpha)*k/N*A) - f)/(2*tan(alpha))", "the groove's area solved for its depth",
    ((f * f + 4.0 * alpha.to_radians().tan() * k / N * A).sqrt() - f) / (2.0 * alpha.to_radians().tan()));
rule!(EVEN_DEPTH = "cut.even_depth", "Depth after pass k of N, straight sides", (X: Mm "radial infeed", k: One "pass", N: One "passes") -> x: Mm,
    "k*X/N", "straight sides take the same area at every even step", k * X / N);
rule!(SIZE_EXTERNAL = "cut.size_external", "Pitch diameter at this depth", (B: Mm "blank as turned", X: Mm "radial depth set", h: Mm "tip to pitch line") -> E: Mm,
    "B - 2*(X - h)", "the infeed formula turned round", B - 2.0 * (X - h));
rule!(SIZE_INTERNAL = "cut.size_internal", "Pitch diameter at this depth", (B: Mm "bore as turned", X: Mm "radial depth set", h: Mm "tip to pitch line") -> E: Mm,
    "B + 2*(X - h)", "the infeed formula turned round", B + 2.0 * (X - h));

/// All of them.
pub static ALL: &[&Rule] =
    &[&INFEED_EXTERNAL, &INFEED_INTERNAL, &COMPOUND, &RADIAL_OF_COMPOUND, &GROOVE_AREA, &CONSTANT_AREA, &EVEN_DEPTH, &SIZE_EXTERNAL, &SIZE_INTERNAL];
