//! What is taken where nothing is told, each with where it comes from. Every one that changes an answer is named among the plan's
//! assumptions; the web side reads the settled value and keeps none of its own.

/// Time to open a half-nut, s. House value, till a hand is measured.
pub const REACTION_S: f64 = 0.5;
/// Backlash of a carriage's drive, mm. House value; a worn lathe has more.
pub const BACKLASH_MM: f64 = 0.5;
/// Turns a spindle coasts with neither clutch nor brake. House value.
pub const COAST_TURNS: f64 = 0.5;
/// Passes without infeed at the end. House value: as bench practice has it.
pub const SPRING_PASSES: u32 = 2;
/// Length of a thread, in its diameters. House value.
pub const LENGTH_DIAMETERS: f64 = 2.0;
/// Included angle of a special thread, degrees: the commonest.
pub const SPECIAL_ANGLE_DEG: f64 = 60.0;
/// Material of the work, by its code.
pub const MATERIAL: &str = "mild_steel";
/// Trains listed. House value: a screenful.
pub const TRAINS_LISTED: i64 = 12;
/// What a gear must clear round a shaft, its nut included, mm. House value.
pub const SHAFT_RADIUS_MM: f64 = 12.0;
/// Studs an arm holds. House value: a simple train's and a compound's.
pub const STUDS: i64 = 2;
/// Last place of a digital readout, mm. House value: the common scale.
pub const READOUT_MM: f64 = 0.005;
/// Speeds of a spindle, rpm. House values: a belt and back gear.
pub const SPEEDS_RPM: [f64; 5] = [30.0, 60.0, 120.0, 240.0, 480.0];
/// Threads per inch of a leadscrew.
pub const LEADSCREW_TPI: i128 = 4;
