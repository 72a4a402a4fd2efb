//! Screw threads: what a callout means, the sizes and limits of both members by family and class, and which standard thread a worn
//! sample is.
//!
//! ```
//! use yoke_ground::direction::Carriage;
//! use yoke_ground::voice::Voice;
//! use yoke_ground::working::Worksheet;
//! use yoke_threads::{Side, ThreadFacts, callout, reckon};
//!
//! let spec = callout::read("M20x2.5-6g").map_err(|f| f.missing.said(Voice::default()))?;
//! assert_eq!((spec.name().as_str(), spec.side), ("M20×2.5-6g", Side::External));
//! let facts = ThreadFacts { spec, length_mm: 30.0, engagement_mm: None, coating_mm: 0.0, load_faces: None };
//! let toward = Carriage::TowardHeadstock;
//! let (_, section) = reckon(&mut Worksheet::default(), &facts, toward, &mut Vec::new());
//! // ISO 965-1: 18.334 to 18.164.
//! let pitch = &section.external.pitch_mm;
//! assert_eq!(pitch.max.as_ref().map(|q| q.text.as_str()), Some("18.334 mm"));
//! assert_eq!(pitch.min.as_ref().map(|q| q.text.as_str()), Some("18.164 mm"));
//! # Ok::<(), String>(())
//! ```

use yoke_ground::{direction, faults, outline, quantity, voice, watch, working};

pub mod callout;
mod class;
pub mod drawing;
mod facts;
pub mod families;
mod fit;
mod flanks;
mod flats;
pub mod form;
pub mod identify;
pub mod pair;
pub mod rules;
mod seat;
pub mod section;
pub mod series;
mod spec;
mod system;
pub mod tables;
mod tip;

pub use class::{Class, WhitworthFit};
pub use facts::{MateFacts, PairSchool, SpecialRequest, ThreadFacts};
pub use fit::{Fit, FitBand, FitKind, FitTold, RunMate, Touched};
pub use flanks::Flanks;
pub use pair::PairSection;
pub use seat::{Groove, NoSeat, Seat, bears, half_angle_of};
pub use section::reckon;
pub use section::{FormSection, Member, Range, ThreadSection};
pub use spec::{SpecialForm, ThreadSpec};
pub use system::{Side, System};
pub use tip::{flat_of_radius, radius_of_flat};
