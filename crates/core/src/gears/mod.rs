//! Gears: which train, how true, does it hang, and when the half-nut may be closed again.

mod dial;
mod drawing;
mod fit;
pub mod rules;
mod search;
pub(crate) mod section;
mod suits;

pub use dial::{DialAnswer, DialRule, reengage};
pub use fit::{Fit, hangs};
pub use search::{Found, Train, search};
pub use section::{GearsSection, HungTrain, TrainRow};
pub use suits::NearSize;
