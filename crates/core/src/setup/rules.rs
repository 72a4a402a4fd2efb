//! Rules of speed and stopping.

use crate::working::{Rule, rule};

rule!(CUTTING_SPEED = "setup.cutting_speed", "Speed the cut allows", (v: Mpm "surface speed", d: Mm "diameter") -> n: Rpm,
    "1000*v/(pi*d)", "surface speed unrolled; starting speeds for threading are house values", 1000.0 * v / (std::f64::consts::PI * d));
rule!(TOOL_SPEED = "setup.tool_speed", "Surface speed this tool stands", (v: Mpm "surface speed of high-speed steel", k: One "times that for its material") -> s: Mpm,
    "k*v", "bench practice, by the table of tool materials", k * v);
rule!(STOPPING_SPEED = "setup.stopping_speed", "Speed the hand can stop from", (room: Mm "room to stop in", c: One "turns coasted", L: Mm "lead", t: S "reaction time") -> n: Rpm,
    "max(0, room - c*L)*60/(L*t)", "the carriage goes on for lead times speed times reaction, and coasts after", (room - c * L).max(0.0) * 60.0 / (L * t));
rule!(STOPPING_DISTANCE = "setup.stopping_distance", "Distance to stop", (L: Mm "lead", n: Rpm "spindle speed", t: S "reaction time", c: One "turns coasted") -> s: Mm,
    "L*n*t/60 + c*L", "carriage speed times reaction, and what coasts after", L * n * t / 60.0 + c * L);

rule!(RUN_UP = "setup.run_up", "Run-up at the start of every pass", (b: Mm "backlash of the carriage's drive", P: Mm "pitch") -> r: Mm,
    "b + 2.5*P", "bench practice: the play taken up and two or three pitches more, before the tool meets the work", b + 2.5 * P);

/// All of them.
pub static ALL: &[&Rule] = &[&CUTTING_SPEED, &TOOL_SPEED, &STOPPING_SPEED, &STOPPING_DISTANCE, &RUN_UP];
