//! What is made on request from a finished plan: the set-up from above with its steps and cautions, the groove pass by pass with what a
//! mistake would do, and every way of reading the thread.

mod cautions;
mod cutting;
mod gauge;
mod groove;
mod picture;
mod schools;
mod setup;
mod steps;
mod what_if;

pub use gauge::{BallView, GaugeSheet, WireView, gauge_sheet};
pub use groove::{GrooveSheet, PassCut, groove_sheet};
pub use picture::picture;
pub use schools::School;
pub use setup::{SetupSheet, setup_sheet};
pub use steps::{Step, steps};
pub use what_if::{Mistaken, WhatIf};
