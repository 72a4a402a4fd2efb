//! Cut: how deep now, by the tip really ground, on the dial under the hand.

mod dial;
mod drawing;
mod groove;
pub mod rules;
mod schedule;
pub(crate) mod section;
mod starts;
mod style;
mod what_if;

pub use dial::{DepthDial, DialSetting, ReadBy, SlideName};
pub use drawing::{GrooveSheet, PassCut, groove_sheet};
pub use groove::{Chip, Edge, Field};
pub use schedule::{Bounds, DepthLaw, OwnRow, PassKind, Spread};
pub use section::{CutSection, PassRow};
pub use starts::{Hung, IndexBy, IndexWay, pitches_on, ways as index_ways};
pub use style::{StyleSaid, TimeSaid};
pub use what_if::{Mistaken, WhatIf};
