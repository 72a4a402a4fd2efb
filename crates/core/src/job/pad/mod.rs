//! The bench pad: small named sums, linked to one another, whose results flow to the card.
//!
//! A sum takes figures as measured or the results of other sums; one may feed a fact of the job. Nothing
//! is retyped: a figure changed at its source changes everything after it.

pub mod rules;
mod sum;
mod work;

pub use sum::{Feeds, FigureRequest, SumKind, SumRequest};
pub use work::{FeedChoice, Figure, PadWorked, SumFacts, SumLine, feeds_said, worked};
pub(crate) use work::{section, settle};
