//! Rules of the tip and its reliefs.

use crate::thread::families::{acme, square};
use crate::thread::{Flanks, radius_of_flat};
use crate::working::{Rule, rule};

rule!(CUT_OFF_FLAT = "bit.cut_off_flat", "How much of the sharp V a flat tip cuts off", (f: Mm "flat", alpha: Deg "half angle") -> t: Mm,
    "f/(2*tan(alpha))", "geometry of a truncated V", f / (2.0 * alpha.to_radians().tan()));
rule!(CUT_OFF_RADIUS = "bit.cut_off_radius", "How much of the sharp V a round tip cuts off", (rho: Mm "tip radius", alpha: Deg "half angle") -> t: Mm,
    "rho*(1/sin(alpha) - 1)", "circle tangent to both flanks", rho * (1.0 / alpha.to_radians().sin() - 1.0));
rule!(TIP_TO_PITCH = "bit.tip_to_pitch", "Tip to pitch line", (P: Mm "pitch", alpha: Deg "half angle", t: Mm "cut off the sharp V") -> h: Mm,
    "P/(4*tan(alpha)) - t", "half the sharp height less what the tip lacks"; schools ["0.6134P, 0.6495P and 0.7578P are this with a fixed tip in place of yours."],
    P / (4.0 * alpha.to_radians().tan()) - t);
rule!(EIGHTH = "bit.eighth", "Flat of an eighth of the pitch", (P: Mm "pitch") -> f: Mm, "P/8", "ISO 68-1 and ASME B1.1 basic root of the internal, and the trade's aim for the external", P / 8.0);
rule!(QUARTER = "bit.quarter", "Flat of a quarter of the pitch", (P: Mm "pitch") -> f: Mm, "P/4", "basic minor truncation: a wider flat cannot clear the mate", P / 4.0);
rule!(HALF_PITCH = "bit.half_pitch", "Width of half the pitch", (P: Mm "pitch") -> f: Mm, "P/2", "square thread: groove and land alike", P / 2.0);
rule!(SQUARE_MOST = "bit.square_most", "Widest bit for a square groove", (P: Mm "pitch") -> f: Mm, "P/2 + 0.02*P + 0.05", "house: side clearance of a working fit", P / 2.0 + square::side_room(P));
rule!(FLAT_TO_ROOT = "bit.flat_to_root", "Flat that reaches this root at size", (P: Mm "pitch", a: Mm "larger diameter", b: Mm "smaller diameter", alpha: Deg "half angle") -> f: Mm,
    "max(0, P/2 - (a - b)*tan(alpha))", "half the pitch at the pitch line, narrowing along both flanks to the root", (P / 2.0 - (a - b) * alpha.to_radians().tan()).max(0.0));
rule!(RADIUS_OF_FLAT = "bit.radius_of_flat", "Radius that reaches as deep as this flat", (f: Mm "flat", alpha: Deg "half angle") -> rho: Mm,
    "f/(2*tan(alpha))/(1/sin(alpha) - 1)", "both cut as much off the sharp V", radius_of_flat(f, Flanks::even(alpha)));
rule!(CUT_OFF_RADIUS_BETWEEN = "bit.cut_off_radius_between", "How much of the sharp V a round tip cuts off, flanks unequal", (rho: Mm "tip radius", a: Deg "leading flank", b: Deg "trailing flank") -> t: Mm,
    "rho*(cos((a - b)/2)/sin((a + b)/2) - 1)", "circle tangent to both flanks, its middle on their bisector", rho * (Flanks { leading: a, trailing: b }.wedge() - 1.0));
rule!(RADIUS_OF_FLAT_BETWEEN = "bit.radius_of_flat_between", "Radius that reaches as deep as this flat, flanks unequal", (f: Mm "flat", a: Deg "leading flank", b: Deg "trailing flank") -> rho: Mm,
    "f/(tan(a) + tan(b))/(cos((a - b)/2)/sin((a + b)/2) - 1)", "both cut as much off the sharp V", radius_of_flat(f, Flanks { leading: a, trailing: b }));
rule!(HANDBOOK = "bit.handbook", "Acme tip of the handbooks", (P: Mm "pitch") -> f: Mm,
    "table: 0.3707P − 0.259 × 0.020 in (0.010 finer than 10 TPI)", "basic root flat less what the clearance takes", 0.3707 * P - 0.259 * 25.4 * acme::clearance_in(P / 25.4));
rule!(RELIEF_LEADING = "bit.relief_leading", "Relief on the leading side", (c: Deg "working clearance", lambda: Deg "lead angle at the minor diameter") -> r: Deg,
    "c + lambda", "the flank falls away under the leading side by the lead angle", c + lambda);
rule!(RELIEF_TRAILING = "bit.relief_trailing", "Relief on the trailing side", (c: Deg "working clearance", lambda: Deg "lead angle at the major diameter") -> r: Deg,
    "max(2, c - lambda)", "the groove falls away under the trailing side by the lead, which leaves so much less to grind; never under 2°", (c - lambda).max(2.0));
rule!(EQUAL_FLAT = "bit.equal_flat", "Flat that cuts off as much as this tip", (t: Mm "cut off the sharp V", alpha: Deg "half angle") -> f: Mm,
    "2*t*tan(alpha)", "so that one depth law serves flats and radii", 2.0 * t * alpha.to_radians().tan());

rule!(BORE_FALLS = "bit.bore_falls", "How far the bore falls in under the edge", (R: Mm "bore radius", t: Mm "how deep the tool stands under its edge") -> s: Mm,
    "R - sqrt(R^2 - t^2)", "the bore's circle at that depth under its axis", R - (R * R - t * t).sqrt());
rule!(BORE_RISE = "bit.bore_rise", "How far the thread rises by the tool's foot", (L: Mm "lead", R: Mm "radius", t: Mm "how deep the tool stands under its edge") -> b: Mm,
    "L*atan(t/sqrt(R^2 - t^2))/360", "the lead over the arc the tool stands in", L * (t / (R * R - t * t).sqrt()).atan().to_degrees() / 360.0);
rule!(RELIEF_LEADING_BORE = "bit.relief_leading_bore", "Relief on the leading side, in a bore",
    (c: Deg "working clearance", b: Mm "rise by the tool's foot, at the bore", alpha: Deg "half angle", s: Mm "how far the bore falls in", t: Mm "tool under its edge") -> r: Deg,
    "c + atan((b + tan(alpha)*s)/t)", "the bore closes in under the edge, and the groove with it, narrowing by the flank"; schools ["At the edge itself the rise is the lead angle, tan λ; over the tool's depth it is a little more."],
    c + ((b + alpha.to_radians().tan() * s) / t).atan().to_degrees());
rule!(RELIEF_TRAILING_BORE = "bit.relief_trailing_bore", "Relief on the trailing side, in a bore",
    (c: Deg "working clearance", b: Mm "rise by the tool's foot, at the bore", d: Mm "the same at the root", alpha: Deg "half angle", s: Mm "how far the bore falls in", u: Mm "how far the root does", t: Mm "tool under its edge") -> r: Deg,
    "max(2, c + atan(max(tan(alpha)*s - b, tan(alpha)*u - d)/t))", "as on the leading side, with the thread rising the other way: at the bore it falls in most, at the root it rises least; never under 2°",
    (c + ((alpha.to_radians().tan() * s - b).max(alpha.to_radians().tan() * u - d) / t).atan().to_degrees()).max(2.0));
rule!(BENCH_LEADING_BORE = "bit.bench_leading_bore", "Relief on the leading side, in a bore, by the bench formula",
    (c: Deg "working clearance", lambda: Deg "lead angle at the minor diameter", alpha: Deg "half angle", s: Mm "how far the bore falls in", t: Mm "tool under its edge") -> r: Deg,
    "c + atan(tan(lambda) + tan(alpha)*s/t)", "the rise taken as at the edge all the way down", c + (lambda.to_radians().tan() + alpha.to_radians().tan() * s / t).atan().to_degrees());
rule!(BENCH_TRAILING_BORE = "bit.bench_trailing_bore", "Relief on the trailing side, in a bore, by the bench formula",
    (c: Deg "working clearance", lambda: Deg "lead angle at the minor diameter", alpha: Deg "half angle", s: Mm "how far the bore falls in", t: Mm "tool under its edge") -> r: Deg,
    "max(2, c + atan(tan(alpha)*s/t - tan(lambda)))", "the rise taken as at the edge all the way down", (c + (alpha.to_radians().tan() * s / t - lambda.to_radians().tan()).atan().to_degrees()).max(2.0));
rule!(HEEL = "bit.heel", "Relief that clears the heel in a bore", (s: Mm "how far the bore falls in", t: Mm "tool under its edge", c: Deg "working clearance") -> r: Deg,
    "atan(s/t) + c", "the chord from the edge to the bore at the tool's foot", (s / t).atan().to_degrees() + c);
rule!(REST_ANGLE = "bit.rest_angle", "Relief square to the edge", (theta: Deg "relief seen from the front", alpha: Deg "half angle") -> n: Deg,
    "atan(tan(theta)*cos(alpha))", "the flank's plane cut square to its edge: what a tilted rest is set to and a protractor reads", (theta.to_radians().tan() * alpha.to_radians().cos()).atan().to_degrees());
rule!(NOSE = "bit.nose", "Relief the two flanks leave under the point", (m: Deg "one flank, square to its edge", n: Deg "the other", alpha: Deg "half angle") -> r: Deg,
    "atan((tan(m) + tan(n))/(2*sin(alpha)))", "the line the two planes meet in", ((m.to_radians().tan() + n.to_radians().tan()) / (2.0 * alpha.to_radians().sin())).atan().to_degrees());
rule!(NOSE_BETWEEN = "bit.nose_between", "Relief two unequal flanks leave under the point", (m: Deg "leading flank's relief, square to its edge", n: Deg "the trailing one's", a: Deg "leading flank", b: Deg "trailing flank") -> r: Deg,
    "atan((tan(m)*cos(b) + tan(n)*cos(a))/sin(a + b))", "the line the two planes meet in",
    ((m.to_radians().tan() * b.to_radians().cos() + n.to_radians().tan() * a.to_radians().cos()) / (a + b).to_radians().sin()).atan().to_degrees());
rule!(WIDTH_USED = "bit.width_used", "Width of blank the point uses", (f: Mm "tip", X: Mm "depth of the cut", alpha: Deg "half angle") -> w: Mm,
    "f + 2*X*tan(alpha)", "tip and both flanks to full depth", f + 2.0 * X * alpha.to_radians().tan());
rule!(FLAT_OPEN = "bit.flat_open", "Flat aimed at where no root is too deep", (f: Mm "widest that clears the mate") -> y: Mm, "0.95*f", "house: a twentieth under the widest", 0.95 * f);
rule!(ROOT_EXTERNAL = "bit.root_external", "Root this tip leaves", (E: Mm "pitch diameter aimed at", h: Mm "tip to pitch line") -> r: Mm, "E - 2*h", "the tip goes that far past the pitch line", E - 2.0 * h);
rule!(ROOT_INTERNAL = "bit.root_internal", "Root this tip leaves", (E: Mm "pitch diameter aimed at", h: Mm "tip to pitch line") -> r: Mm, "E + 2*h", "the tip goes that far past the pitch line", E + 2.0 * h);
rule!(STOCKING_FLAT = "bit.stocking_flat", "Tip of the stocking tool", (f: Mm "tip of the form tool", a: Mm "left on each flank", alpha: Deg "half angle") -> s: Mm,
    "max(0, f - 2*a/cos(alpha))", "narrower by what is left, square to each flank", (f - 2.0 * a / alpha.to_radians().cos()).max(0.0));
rule!(STOCKING_FLAT_BETWEEN = "bit.stocking_flat_between", "Tip of the stocking tool, flanks unequal", (f: Mm "tip of the form tool", s: Mm "left on each flank", a: Deg "leading flank", b: Deg "trailing flank") -> t: Mm,
    "max(0, f - s/cos(a) - s/cos(b))", "narrower by what is left, square to each flank", (f - s / a.to_radians().cos() - s / b.to_radians().cos()).max(0.0));
rule!(EDGE_EXTERNAL = "bit.edge_external", "Length of edge in use, raked", (r: Mm "root radius", X: Mm "depth", gamma: Deg "back rake") -> l: Mm,
    "sqrt(r^2*cos(gamma)^2 + X^2 + 2*X*r) - r*cos(gamma)", "the face falls away from the tip: where it passes the crest's radius",
    (r * r * gamma.to_radians().cos().powi(2) + X * X + 2.0 * X * r).sqrt() - r * gamma.to_radians().cos());
rule!(EDGE_INTERNAL = "bit.edge_internal", "Length of edge in use, raked, in a bore", (r: Mm "root radius", X: Mm "depth", gamma: Deg "back rake") -> l: Mm,
    "r*cos(gamma) - sqrt(r^2*cos(gamma)^2 + X^2 - 2*X*r)", "as outside, the bore closing in",
    r * gamma.to_radians().cos() - (r * r * gamma.to_radians().cos().powi(2) + X * X - 2.0 * X * r).sqrt());
rule!(LEAD_SHIFTS = "bit.lead_shifts", "How far ahead the edge's far end cuts, raked", (L: Mm "lead", l: Mm "edge in use", gamma: Deg "back rake", r: Mm "radius there") -> z: Mm,
    "L*atan(l*sin(gamma)/sqrt(max(r^2 - (l*sin(gamma))^2, 0)))/360", "it stands below the axis, so the work comes to it later by that part of a turn", L * (l * gamma.to_radians().sin()).atan2((r * r - (l * gamma.to_radians().sin()).powi(2)).max(0.0).sqrt()) / std::f64::consts::TAU);
rule!(RAKED_HALF = "bit.raked_half", "Half angle to grind in a raked face", (alpha: Deg "half angle wanted", X: Mm "depth", l: Mm "edge in use", z: Mm "how far that side cuts wider for the lead") -> a: Deg,
    "atan((tan(alpha)*X - z)/l)", "the same width over the longer edge, less what the lead adds"; schools ["The bench formula, tan α cos γ, takes the edge as X/cos γ, and no lead."], ((alpha.to_radians().tan() * X - z) / l).atan().to_degrees());
rule!(OFF_CENTRE_EXTERNAL = "bit.off_centre_external", "How much shallower a bit off the axis height cuts", (R: Mm "radius at touch", X: Mm "travel", h: Mm "off the axis height") -> e: Mm,
    "sqrt((sqrt(R^2 - h^2) - X)^2 + h^2) - (R - X)", "the tip's own circle", (((R * R - h * h).sqrt() - X).powi(2) + h * h).sqrt() - (R - X));
rule!(OFF_CENTRE_INTERNAL = "bit.off_centre_internal", "How much shallower a bit off the axis height cuts, in a bore", (R: Mm "radius at touch", X: Mm "travel", h: Mm "off the axis height") -> e: Mm,
    "R + X - sqrt((sqrt(R^2 - h^2) + X)^2 + h^2)", "the tip's own circle", R + X - (((R * R - h * h).sqrt() + X).powi(2) + h * h).sqrt());
rule!(GUESS_COSTS = "bit.guess_costs", "What a guessed tip costs in infeed", (a: Mm "narrowest", b: Mm "widest", alpha: Deg "half angle") -> x: Mm,
    "(b - a)/(2*tan(alpha))", "difference of what the two cut off the sharp V", (b - a) / (2.0 * alpha.to_radians().tan()));
rule!(BAR_SPAN = "bit.bar_span", "Most a bar may span, tip to back", (d: Mm "bore", c: Mm "room each side") -> s: Mm, "d - 2*c", "it must pass with its tip withdrawn from the groove", d - 2.0 * c);
rule!(BAR_REACH = "bit.bar_reach", "How far in the bit must reach", (L: Mm "thread", b: Mm "room beyond it", o: Mm "what stands in front") -> r: Mm, "L + b + o", "end to end", L + b + o);

rule!(BLADE = "bit.blade", "Length of a relief tool's blade", (a: Mm "diameter beside the groove", b: Mm "diameter at its bottom", c: Mm "longer by") -> l: Mm,
    "abs(a - b)/2 + c", "the groove's depth and a little", (a - b).abs() / 2.0 + c);
rule!(BLADE_BACK = "bit.blade_back", "Width of the blade at its root", (w: Mm "width of the edge", l: Mm "blade", t: Deg "taper each side") -> b: Mm,
    "w - 2*l*tan(t)", "narrowing to the back on both sides", w - 2.0 * l * t.to_radians().tan());
rule!(BLADE_BAR = "bit.blade_bar", "Most the bar behind a blade may measure", (d: Mm "bore", c: Mm "room each side", l: Mm "blade") -> b: Mm,
    "max(0, d - 2*c - l)", "blade and bar pass the bore together", (d - 2.0 * c - l).max(0.0));
rule!(SHARE_RADIUS = "bit.share_radius", "Radius of a rounded root", (P: Mm "pitch", k: One "share of the pitch") -> r: Mm, "k*P", "UNR 0.108P to 0.144P; ISO at least 0.125P for grade 8.8 and up; of another form its own standard", k * P);

/// All of them.
pub static ALL: &[&Rule] = &[
    &FLAT_OPEN,
    &ROOT_EXTERNAL,
    &ROOT_INTERNAL,
    &SHARE_RADIUS,
    &CUT_OFF_FLAT,
    &CUT_OFF_RADIUS,
    &TIP_TO_PITCH,
    &EIGHTH,
    &QUARTER,
    &HALF_PITCH,
    &SQUARE_MOST,
    &FLAT_TO_ROOT,
    &RADIUS_OF_FLAT,
    &HANDBOOK,
    &RELIEF_LEADING,
    &RELIEF_TRAILING,
    &EQUAL_FLAT,
    &BORE_FALLS,
    &BORE_RISE,
    &RELIEF_LEADING_BORE,
    &RELIEF_TRAILING_BORE,
    &BENCH_LEADING_BORE,
    &BENCH_TRAILING_BORE,
    &HEEL,
    &REST_ANGLE,
    &NOSE,
    &WIDTH_USED,
    &STOCKING_FLAT,
    &STOCKING_FLAT_BETWEEN,
    &NOSE_BETWEEN,
    &CUT_OFF_RADIUS_BETWEEN,
    &RADIUS_OF_FLAT_BETWEEN,
    &EDGE_EXTERNAL,
    &EDGE_INTERNAL,
    &LEAD_SHIFTS,
    &RAKED_HALF,
    &OFF_CENTRE_EXTERNAL,
    &OFF_CENTRE_INTERNAL,
    &GUESS_COSTS,
    &BAR_SPAN,
    &BAR_REACH,
    &BLADE,
    &BLADE_BACK,
    &BLADE_BAR,
];
