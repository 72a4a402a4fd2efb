//! Thread: what exactly is to be cut. Callouts, forms and limits of both members.

pub mod callout;
pub(crate) mod drawing;
pub(crate) mod iso;
pub mod rules;
pub(crate) mod section;
mod spec;
pub(crate) mod tables;
pub(crate) mod unified;

pub use section::{Member, Range, ThreadSection};
pub use spec::{Class, Hand, Side, System, ThreadSpec};
