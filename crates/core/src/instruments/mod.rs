//! Instruments that speak: what their lines mean, and the passes they see.

pub mod line;
pub mod passage;

pub use line::{Number, Pattern, Unlearned, numbers};
pub use passage::{Passes, Place, Seen, Watching};
