//! Cut: how deep now, by the tip really ground, on the dial under the hand.

mod dial;
mod drawing;
pub mod rules;
mod schedule;
pub(crate) mod section;
mod starts;

pub use dial::{DepthDial, DialSetting, SlideName};
pub use schedule::{PassKind, depths};
pub use section::{CutSection, PassRow};
pub use starts::{Hung, IndexBy, IndexWay, pitches_on, ways as index_ways};
