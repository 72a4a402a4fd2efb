//! The shop: a lathe as its owner sees it, part by part in words and drawn, and its gears and plate on paper.

mod answers;
mod drawing;
mod part;
mod parts;
mod questions;
mod seen;
mod sheets;
mod sources;
mod written;

pub use answers::{Ask, Told, answer, put};
pub use part::Part;
pub use parts::{LatheDescription, PartView, look};
pub use questions::{Choice, Question, questions};
pub use seen::remember_trains;
pub use sheets::{gears_from_csv, gears_to_csv, plate_from_csv, plate_to_csv};
pub use sources::keep_sources;
pub use written::{WrittenDrawer, put_written, written};
