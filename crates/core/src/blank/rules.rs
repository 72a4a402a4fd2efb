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
rule!(CHAMFER_EXTERNAL = "blank.chamfer_external", "Chamfer to", (E: Mm "least pitch diameter", h: Mm "tip to pitch line") -> c: Mm,
    "E - 2*h - 0.1", "house: just under the root this tip cuts, so that the first thread starts whole", E - 2.0 * h - 0.1);
rule!(CHAMFER_INTERNAL = "blank.chamfer_internal", "Chamfer to", (E: Mm "largest pitch diameter", h: Mm "tip to pitch line") -> c: Mm,
    "E + 2*h + 0.1", "house: just over the root this tip cuts, so that the first thread starts whole", E + 2.0 * h + 0.1);
rule!(RELIEF_EXTERNAL = "blank.relief_external", "Relief diameter the tip never reaches", (E: Mm "least pitch diameter", h: Mm "tip to pitch line", c: Mm "clearance on diameter") -> G: Mm,
    "E - 2*h - c", "below the deepest the tip goes, not by a limit", E - 2.0 * h - c);
rule!(RELIEF_INTERNAL = "blank.relief_internal", "Relief diameter the tip never reaches", (E: Mm "largest pitch diameter", h: Mm "tip to pitch line", c: Mm "clearance on diameter") -> G: Mm,
    "E + 2*h + c", "beyond the deepest the tip goes, not by a limit", E + 2.0 * h + c);
rule!(HALF_CUT = "blank.half_cut", "Half the cut's width at full depth", (f: Mm "flat the tip is worth", d: Mm "crest to root", alpha: Deg "half angle") -> w: Mm,
    "f/2 + d*tan(alpha)", "geometry of the groove", f / 2.0 + d * alpha.to_radians().tan());
rule!(AHEAD = "blank.ahead", "Bit beyond the point, toward the shoulder", (w: Mm "half the cut's width", B: Mm "width of the bit") -> b: Mm, "max(w, B/2)", "a point in the middle of the bit; never less than the flank itself", w.max(B / 2.0));
rule!(RELIEF_WIDTH = "blank.relief_width", "Least relief width",
    (w: Mm "half the cut's width", b: Mm "bit beyond the point", s: Mm "stopping distance", P: Mm "pitch") -> W: Mm,
    "max(2*P, w + b + s + 0.5)", "room for the trailing half of the cut, the bit ahead of its point, to stop, and 0.5 mm; never under two pitches",
    (w + b + s + 0.5).max(2.0 * P));
rule!(RELIEF_START = "blank.relief_start", "Least relief width to start in",
    (w: Mm "half the cut's width", b: Mm "bit on the shoulder side of the point", k: Mm "play to take up") -> W: Mm,
    "w + max(w, b) + max(0.5, k/2)", "the whole bit stands in the relief, clear of both walls: the play is taken up there before the carriage moves, with no run-up and nothing to stop for",
    w + w.max(b) + (k / 2.0).max(0.5));
rule!(OPEN_NEEDS = "blank.open_needs", "Room beyond an open end",
    (w: Mm "half the cut's width", b: Mm "bit beyond the point", s: Mm "stopping distance, or run-up") -> W: Mm,
    "w + max(w, b) + s + 0.5", "the trailing half of the cut leaves the thread, the bit ahead of its point, the stop or the run-up, and 0.5 mm", w + w.max(b) + s + 0.5);
rule!(WITHDRAWN_NEEDS = "blank.withdrawn_needs", "Room beyond a thread withdrawn at a mark", (b: Mm "bit beyond the point") -> W: Mm,
    "b + 0.5", "the point comes to the end, the bit stands ahead of it, and 0.5 mm", b + 0.5);
rule!(STOPPING_ROOM = "blank.stopping_room", "Room to stop in", (W: Mm "relief width", w: Mm "half the cut's width", b: Mm "bit beyond the point") -> r: Mm,
    "max(0, W - w - b - 0.5)", "the relief's width rule turned round", (W - w - b - 0.5).max(0.0));
rule!(RING_WIDTH = "blank.ring_width", "Width of a ring plunged by the bit", (w: Mm "half the cut's width") -> W: Mm, "2*w + 0.5", "the cut and 0.5 mm", 2.0 * w + 0.5);
rule!(POCKET = "blank.pocket", "Least diameter of a drilled pocket", (w: Mm "half the cut's width", d: Mm "crest to root") -> D: Mm,
    "max(2*w, d) + 1", "the cut, or as wide as it is deep so that the drill does not wander, and 0.5 mm all round", (2.0 * w).max(d) + 1.0);
rule!(FADING = "blank.fading", "Length in which a withdrawn thread fades", (L: Mm "lead", s: Mm "stopping distance") -> z: Mm, "L/2 + s", "house: drawn out over half a turn, begun within the reaction", L / 2.0 + s);
rule!(CORNER = "blank.corner", "Largest corner radius of the relief", (P: Mm "pitch", b: Mm "bit beyond the point", f: Mm "flat the tip is worth", d: Mm "step into the relief") -> r: Mm,
    "min(P/2, min(d, b + 0.5 - f/2))", "half a pitch, unless the step is less or the tip would stand on it", (P / 2.0).min(d.min(b + 0.5 - f / 2.0)));
rule!(MARK_RELIEF = "blank.mark_relief", "Mark where the thread is full", (L: Mm "threaded length", W: Mm "relief width", w: Mm "half the cut's width") -> m: Mm, "L - W + w", "the trailing half of the cut has left the thread", L - W + w);
rule!(MARK_START = "blank.mark_start", "Mark to start from", (L: Mm "threaded length", w: Mm "half the cut's width", b: Mm "bit on the shoulder side of the point", k: Mm "play to take up") -> m: Mm,
    "L - max(w, b) - max(0.5, k/2)", "the margin between the bit and the shoulder", L - w.max(b) - (k / 2.0).max(0.5));
rule!(MARK_START_OPEN = "blank.mark_start_open", "Mark to start from, in the open", (L: Mm "threaded length", w: Mm "half the cut's width", r: Mm "run-up") -> m: Mm, "L + w + r", "clear of the thread by the run-up", L + w + r);
rule!(MARK_MIDDLE = "blank.mark_middle", "Mark at the middle of the ring or pocket", (L: Mm "threaded length", W: Mm "its width") -> m: Mm, "L - W/2", "its middle", L - W / 2.0);
rule!(MARK_FADE = "blank.mark_fade", "Mark to withdraw at", (L: Mm "threaded length", z: Mm "length it fades in") -> m: Mm, "max(0, L - z)", "the last full thread", (L - z).max(0.0));
rule!(MARK_PAST_REGISTER = "blank.mark_past_register", "The same from the face, a register before it", (m: Mm "mark from where the thread begins", r: Mm "depth of the register") -> M: Mm, "m + r", "the register stands between the face and the thread", m + r);
rule!(MARK_OPEN = "blank.mark_open", "Mark where the bit is clear", (L: Mm "threaded length", w: Mm "half the cut's width") -> m: Mm, "L + w", "the trailing half of the cut has left the work", L + w);

rule!(DRILL_CUTS_OVER = "blank.drill_cuts_over", "How much a drill cuts over its size", (d: Mm "drill") -> o: Mm, "0.06 + 0.005*d", "house value, till a hole of it is measured; half as much again at worst", 0.06 + 0.005 * d);
rule!(HOLE_OF_DRILL = "blank.hole_of_drill", "Hole a drill cuts", (d: Mm "drill", o: Mm "over its size") -> B: Mm, "d + o", "a drill cuts over its size", d + o);
rule!(DRILL_FOR_HOLE = "blank.drill_for_hole", "Drill that cuts a hole", (B: Mm "hole") -> d: Mm, "(B - 0.06)/1.005", "how much a drill cuts over, turned round", (B - 0.06) / 1.005);
rule!(WALL = "blank.wall", "Wall outside the root", (D: Mm "outside", r: Mm "root") -> t: Mm, "(D - r)/2", "half the difference", (D - r) / 2.0);
rule!(RING_IN = "blank.ring_in", "How much smaller the bore is at a jaw, on diameter", (F: One "force of each jaw, N", R: Mm "middle radius", l: Mm "length gripped", t: Mm "wall", E: One "modulus, N/mm²") -> y: Mm,
    "2*0.0159*F*R^3/(E*l*t^3/12)", "a ring under three forces: 0.0159FR³/EI inward at each, I = l·t³/12, doubled to diameter", 2.0 * 0.0159 * F * R.powi(3) / (E * l * t.powi(3) / 12.0));
rule!(RING_OUT = "blank.ring_out", "How much larger it is between the jaws, on diameter", (F: One "force of each jaw, N", R: Mm "middle radius", l: Mm "length gripped", t: Mm "wall", E: One "modulus, N/mm²") -> y: Mm,
    "2*0.0143*F*R^3/(E*l*t^3/12)", "a ring under three forces: 0.0143FR³/EI outward between them, doubled to diameter", 2.0 * 0.0143 * F * R.powi(3) / (E * l * t.powi(3) / 12.0));
rule!(GRIP_SHIM = "blank.shim", "Shim under the jaw nearest the high spot", (t: Mm "whole swing of the indicator") -> s: Mm, "3*t/4",
    "a shim under one of three jaws moves the work two thirds of its thickness; half the swing is to go", 0.75 * t);
rule!(TAILSTOCK_MOVE = "blank.tailstock_move", "Tailstock toward the tool", (a: Mm "diameter at the free end", b: Mm "diameter at the headstock end", s: Mm "apart", L: Mm "chuck to tailstock") -> y: Mm,
    "(a - b)*L/(2*s)", "half the taper, carried to the tailstock", (a - b) * L / (2.0 * s));

rule!(TOLERANCE_SEVEN = "blank.tolerance_seven", "Tolerance, grade 7", (d: Mm "diameter") -> T: Mm, "16*(0.45*cbrt(d) + 0.001*d)/1000", "ISO 286-1 tolerance unit, sixteen of them (recalled); at the size itself, not its range", 16.0 * (0.45 * d.cbrt() + 0.001 * d) / 1000.0);
rule!(FIT_CLOSE = "blank.fit_close", "Least clearance, close", (d: Mm "diameter") -> c: Mm, "2.5*d^0.34/1000", "ISO 286-1 deviation g (recalled)", 2.5 * d.powf(0.34) / 1000.0);
rule!(FIT_RUNNING = "blank.fit_running", "Least clearance, running", (d: Mm "diameter") -> c: Mm, "5.5*d^0.41/1000", "ISO 286-1 deviation f (recalled)", 5.5 * d.powf(0.41) / 1000.0);
rule!(FIT_EASY = "blank.fit_easy", "Least clearance, easy", (d: Mm "diameter") -> c: Mm, "11*d^0.41/1000", "ISO 286-1 deviation e (recalled)", 11.0 * d.powf(0.41) / 1000.0);
rule!(REGISTER_BORE = "blank.register_bore", "Register bored for the mate's plain part", (m: Mm "the mate's plain part", c: Mm "least clearance", t: Mm "of its tolerance") -> B: Mm, "m + c + t", "opens from the least clearance", m + c + t);
rule!(REGISTER_SPIGOT = "blank.register_spigot", "Register turned for the mate's plain bore", (m: Mm "the mate's plain bore", c: Mm "least clearance", t: Mm "of its tolerance") -> B: Mm, "m - c - t", "closes from the least clearance", m - c - t);

rule!(DIE_BLANK = "blank.die", "Blank for a thread a die finishes", (d: Mm "nominal diameter", P: Mm "pitch", s: One "share of it") -> B: Mm, "d - s*P", "bench, a tenth of the pitch: a die raises the crests; a little more in a metal whose crests rise", d - s * P);
rule!(SLENDER = "blank.slender", "Stick-out over diameter", (L: Mm "stick-out", d: Mm "diameter") -> k: One, "L/d", "definition", L / d);
rule!(BENT = "blank.bent", "How much bending changes the diameter", (y: Mm "how far it gives for each newton", F: One "cutting force, N") -> b: Mm, "2*y*F/2", "half of the force is radial, and what it gives counts twice on the diameter", 2.0 * y * F / 2.0);

rule!(QUARTER_IN = "blank.quarter_in", "A quarter of the way in from a limit", (a: Mm "the limit leaned to", b: Mm "the other") -> m: Mm,
    "(3*a + b)/4", "house: toward one limit with room left; soft stock raises its crests, so lean low and file before measuring", (3.0 * a + b) / 4.0);

/// All of them.
pub static ALL: &[&Rule] = &[
    &FULL_SIXTY,
    &FULL_BASIC,
    &BORE_OF_SHARE,
    &SHARE_OF_BORE,
    &CHAMFER_EXTERNAL,
    &CHAMFER_INTERNAL,
    &RELIEF_EXTERNAL,
    &RELIEF_INTERNAL,
    &HALF_CUT,
    &AHEAD,
    &RELIEF_WIDTH,
    &RELIEF_START,
    &OPEN_NEEDS,
    &WITHDRAWN_NEEDS,
    &STOPPING_ROOM,
    &RING_WIDTH,
    &POCKET,
    &FADING,
    &CORNER,
    &MARK_RELIEF,
    &MARK_START,
    &MARK_START_OPEN,
    &MARK_MIDDLE,
    &MARK_FADE,
    &MARK_OPEN,
    &MARK_PAST_REGISTER,
    &DRILL_CUTS_OVER,
    &HOLE_OF_DRILL,
    &DRILL_FOR_HOLE,
    &WALL,
    &RING_IN,
    &RING_OUT,
    &GRIP_SHIM,
    &TAILSTOCK_MOVE,
    &TOLERANCE_SEVEN,
    &FIT_CLOSE,
    &FIT_RUNNING,
    &FIT_EASY,
    &REGISTER_BORE,
    &REGISTER_SPIGOT,
    &DIE_BLANK,
    &SLENDER,
    &BENT,
    &QUARTER_IN,
];
