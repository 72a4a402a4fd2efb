//! Rules of speed and stopping.

use crate::working::{Rule, rule};

rule!(CUTTING_SPEED = "setup.cutting_speed", "Speed the cut allows", (v: Mpm "surface speed", d: Mm "diameter") -> n: Rpm,
    "1000*v/(pi*d)", "surface speed unrolled; starting speeds for threading are house values", 1000.0 * v / (std::f64::consts::PI * d));
rule!(TOOL_SPEED = "setup.tool_speed", "Surface speed this tool stands", (v: Mpm "surface speed of high-speed steel", k: One "times that for its material") -> s: Mpm,
    "k*v", "bench practice, by the table of tool materials", k * v);
rule!(STOPPING_SPEED = "setup.stopping_speed", "Speed the hand can stop from", (room: Mm "room to stop in", L: Mm "lead", t: S "reaction time") -> n: Rpm,
    "max(0, room)*60/(L*t)", "the carriage goes on for lead times speed times reaction", room.max(0.0) * 60.0 / (L * t));
rule!(STOPPING_SPEED_COASTING = "setup.stopping_speed_coasting", "Speed the hand can stop from, the spindle coasting",
    (room: Mm "room to stop in", L: Mm "lead", t: S "reaction time", c: One "turns coasted", m: Rpm "from this speed") -> n: Rpm,
    "(sqrt((L*t/60)^2 + 4*c*L/m^2*max(0, room)) - L*t/60)*m^2/(2*c*L)", "the distance to stop, L*n*t/60 + c*L*(n/m)^2, set equal to the room and solved for n",
    ((L * t / 60.0).powi(2) + 4.0 * c * L / m.powi(2) * room.max(0.0)).sqrt().mul_add(1.0, -(L * t / 60.0)) * m.powi(2) / (2.0 * c * L));
rule!(STOPPING_DISTANCE = "setup.stopping_distance", "Distance to stop", (L: Mm "lead", n: Rpm "spindle speed", t: S "reaction time") -> s: Mm,
    "L*n*t/60", "carriage speed times reaction", L * n * t / 60.0);
rule!(STOPPING_DISTANCE_COASTING = "setup.stopping_distance_coasting", "Distance to stop, the spindle coasting",
    (L: Mm "lead", n: Rpm "spindle speed", t: S "reaction time", c: One "turns coasted", m: Rpm "from this speed") -> s: Mm,
    "L*n*t/60 + c*L*(n/m)^2", "carriage speed times reaction, and what coasts after, which grows as the square of the speed", L * n * t / 60.0 + c * L * (n / m).powi(2));
rule!(HAND_SPEED = "setup.hand_speed", "Speed for a hand not yet measured", (v: Mm "most the carriage may go in a second", L: Mm "lead", n: Rpm "most the spindle may turn") -> h: Rpm,
    "min(n, 60*v/L)", "house values: 6 mm/s and 250 rpm, till a hand is measured at the lathe or a speed is told", n.min(60.0 * v / L));

rule!(RUN_UP = "setup.run_up", "Run-up at the start of every pass", (b: Mm "backlash of the carriage's drive", P: Mm "pitch") -> r: Mm,
    "b + 2.5*P", "bench practice: the play taken up and two or three pitches more, before the tool meets the work", b + 2.5 * P);

/// All of them.
pub static ALL: &[&Rule] =
    &[&CUTTING_SPEED, &TOOL_SPEED, &STOPPING_SPEED, &STOPPING_SPEED_COASTING, &STOPPING_DISTANCE, &STOPPING_DISTANCE_COASTING, &HAND_SPEED, &RUN_UP];
