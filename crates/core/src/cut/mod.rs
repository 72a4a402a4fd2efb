//! Cut: how deep now, by the tip really ground, on the dial under the hand.

pub mod aloud;
mod dial;
mod die;
mod drawing;
mod groove;
mod row;
pub mod rules;
mod schedule;
pub(crate) mod section;
mod starts;
mod style;

pub use dial::{DepthDial, DialSetting, SlideName};
pub(crate) use die::left_for_die;
pub use groove::{Chip, Edge, Field};
pub use row::{PassRow, Then, counted};
pub use schedule::{Bounds, PassKind, Spread};
pub use section::{CutSection, RadialIf};
pub use starts::{Hung, IndexBy, IndexWay, pitches_on, ways as index_ways};
pub(crate) use style::edge;
pub use style::{StyleView, TimeView};
