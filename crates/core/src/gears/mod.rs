//! Gears: which train, how true, does it hang, and when the half-nut may be closed again.

mod buy;
mod chart;
mod day;
mod drawing;
mod drift;
mod face;
pub mod rules;
pub(crate) mod section;
mod steps;
mod suits;
mod teeth;
mod trial;

pub use buy::{BlankCard, Purchase, Purchases, card as blank_card, pitches_wanted, purchases, purchases_while};
pub use chart::{ChartRow, chart, chart_while, standard_pitches};
pub use day::{Day, DayJob, DayStep, Setting, in_order_told as day_in_order_told, order as day_order};
pub(crate) use section::mounted_drawing;
pub use section::{ClearanceView, DialGear, DialSection, GearsSection, HungTrain};
pub use suits::NearSize;
pub use trial::{TrialRequest, TrialView};

pub use yoke_gears::{
    Beside, Clearance, DialAnswer, DialRule, Fit, Found, Hindrance, Idler, Mesh, Mistake, Sense, Table, Train, TrainRow, Wanted, each_gear, hangs, mistakes,
    reengage, search,
};
