//! Thread: what exactly is to be cut. Callouts, forms and limits of both members.

pub mod callout;
mod class;
pub(crate) mod drawing;
pub(crate) mod families;
pub mod identify;
pub mod pair;
pub mod rules;
pub(crate) mod section;
pub mod series;
mod spec;
pub mod tables;

pub use class::{Class, WhitworthFit};
pub use pair::{PairSchool, PairSection};
pub use section::{FormSection, Member, Range, ThreadSection};
pub use spec::{Hand, Side, SpecialForm, System, ThreadSpec};
