//! Rules of change gears.

use crate::thread::families::square;
use crate::working::{Rule, rule};

rule!(LEAD_CUT = "gears.lead_cut", "Lead the train really cuts", (n: One "leadscrew turns, numerator", d: One "spindle turns, denominator", S: Mm "leadscrew pitch") -> L: Mm,
    "n*S/d", "definition: leadscrew turns per spindle turn times its pitch", n * S / d);
rule!(ERROR = "gears.error", "Lead error", (L: Mm "lead cut", L0: Mm "lead wanted") -> ppm: Ppm,
    "(L/L0 - 1)*1000000", "definition", (L / L0 - 1.0) * 1e6);
rule!(DRIFT = "gears.drift", "Pitch drift over the engagement", (ppm: Ppm "lead error", Le: Mm "engagement") -> drift: Mm,
    "abs(ppm)*Le/1000000", "definition", ppm.abs() * Le / 1e6);
rule!(DRIFT_AS_SIZE = "gears.drift_as_size", "What the drift takes off the pitch diameter", (drift: Mm "pitch drift", alpha: Deg "half angle") -> dE: Mm,
    "drift/tan(alpha)", "diametral equivalent of a lead error: drift times cot α", drift / alpha.to_radians().tan());
rule!(LONGEST = "gears.longest_nut", "Longest nut that still runs", (T: Mm "room on the pitch diameter", alpha: Deg "half angle", ppm: Ppm "lead error") -> Le: Mm,
    "T*tan(alpha)*1000000/abs(ppm)", "the drift's diametral equivalent set equal to the room", T * alpha.to_radians().tan() * 1e6 / ppm.abs());
rule!(SIDE_ROOM = "gears.side_room", "Side clearance of a square thread", (P: Mm "pitch") -> c: Mm, "0.02*P + 0.05", "house: the widest bit allowed less half the pitch", square::side_room(P));
rule!(LONGEST_STRAIGHT = "gears.longest_straight", "Longest nut that still runs, straight sides", (c: Mm "side clearance", ppm: Ppm "lead error") -> Le: Mm,
    "c*1000000/abs(ppm)", "the drift set equal to the side clearance", c * 1e6 / ppm.abs());

rule!(TRAVEL = "gears.travel", "Travel error in 300 mm", (ppm: Ppm "lead error") -> out: Mm,
    "abs(ppm)*300/1000000", "definition, for a screw that positions; a leadscrew's own error is often 0.03 in 300 mm beside it", ppm.abs() * 300.0 / 1e6);
rule!(DIAL_DRIFT = "gears.dial_drift", "How far nominal marks drift by the last pass", (ppm: Ppm "lead error", N: One "passes", L: Mm "threaded length", P: Mm "pitch") -> drift: Mm,
    "abs(ppm)*N*(L + 3*P)/1000000", "the error times the travel between carriage and leadscrew the dial has counted: each pass goes back the length and a run-up of three pitches",
    ppm.abs() * N * (L + 3.0 * P) / 1e6);

/// All of them.
pub static ALL: &[&Rule] = &[&LEAD_CUT, &ERROR, &DRIFT, &DRIFT_AS_SIZE, &LONGEST, &SIDE_ROOM, &LONGEST_STRAIGHT, &TRAVEL, &DIAL_DRIFT];
