//! What is made on request from a finished plan: the set-up from above with its steps and cautions, the groove pass by pass with what a
//! mistake would do, every way of reading the thread, the thread as it is seen, the ways there are to end and to hold it, and a job as the board shows
//! it.

mod board;
mod cautions;
mod cutting;
mod gauge;
mod groove;
mod own_figure;
mod picture;
mod schools;
mod setup;
mod steps;
mod thread;
mod ways;
mod what_if;

pub use board::{OnBoard, Sketch, on_board};
pub use gauge::{BallView, GaugeSheet, WireView, gauge_sheet};
pub use groove::{GrooveSheet, PassCut, groove_sheet};
pub use own_figure::{OwnFigure, OwnFigureView, OwnKind, own_figure};
pub use schools::School;
pub use setup::{SetupSheet, setup_sheet};
pub use steps::{Step, steps};
pub use thread::{ThreadSheet, thread_sheet};
pub use ways::{EndSeen, HoldingSeen, PassEndSeen, WaysSheet, ways_sheet};
pub use what_if::{Mistaken, WhatIf};
