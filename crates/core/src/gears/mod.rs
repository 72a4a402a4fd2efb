//! Gears: which train, how true, does it hang, and when the half-nut may be closed again.

mod arrange;
mod buy;
mod chart;
mod day;
mod dial;
mod drawing;
mod drift;
mod face;
mod fit;
mod layout;
mod misfit;
pub mod rules;
mod search;
pub(crate) mod section;
mod steps;
mod suits;
mod table;
mod trial;

pub use buy::{BlankCard, Purchase, Purchases, card as blank_card, pitches_wanted, purchases};
pub use chart::{ChartRow, chart, standard_pitches};
pub use day::{Day, DayJob, DayStep, Setting, in_order_told as day_in_order_told, order as day_order};
pub use dial::{DialAnswer, DialRule, each_gear, reengage};
pub use fit::{Clearance, Fit, Sense, hangs};
pub use layout::{Idler, Mesh};
pub use misfit::{Mistake, mistakes};
pub use search::{Found, Train, Wanted, search};
pub(crate) use section::mounted_drawing;
pub use section::{ClearanceSaid, DialGear, DialSection, GearsSection, HungTrain, TrainRow};
pub use suits::NearSize;
pub use table::Table;
pub use trial::{TrialRequest, TrialSaid};
