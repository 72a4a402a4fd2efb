//! What is taken where nothing is told, each with where it comes from. Every one that changes an answer is named among the plan's
//! assumptions; the web side reads the settled value and keeps none of its own.

/// Time to open a half-nut, s. House value, till a hand is measured.
pub const REACTION_S: f64 = 0.5;
/// Time to withdraw and stop the spindle, where the half-nut stays closed, s. House value, till a hand is measured.
pub const WITHDRAW_S: f64 = 0.7;
/// Fastest a carriage is sent past a hand that was not measured, mm/s. House value.
pub const HAND_MM_S: f64 = 6.0;
/// Fastest a spindle is run for threading past such a hand, rpm. House value.
pub const HAND_RPM: f64 = 250.0;
/// Turns a minute a hand gives a spindle, cranked or not, for what time and heat come to, rpm. House value.
pub const CRANKED_RPM: f64 = 30.0;
/// Speed at which the turns coasted below are reckoned, rpm: they grow as its square.
pub const COAST_AT_RPM: f64 = 100.0;
/// Width of a bit not told, mm, its point in the middle. House value: a common one.
pub const BIT_WIDTH_MM: f64 = 10.0;
/// Backlash of a carriage's drive, mm. House value; a worn lathe has more.
pub const BACKLASH_MM: f64 = 0.5;
/// Turns a spindle coasts from there with a brake, with a clutch, with neither. House values, till they are measured.
pub const COAST_TURNS: [f64; 3] = [0.25, 0.5, 1.0];
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
/// Threads per inch of a leadscrew.
pub const LEADSCREW_TPI: i128 = 8;
