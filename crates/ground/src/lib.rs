//! What every part of Yoke Turn stands on, and nothing of the trade's stations.
//!
//! Lengths, pitches and exact ratios, read as a machinist writes them and shown as he reads them ([`quantity`]); numbers that keep how
//! they were got ([`working`]); the unit and the words a sentence is spoken in ([`voice`]); every fault of a request at once ([`faults`]);
//! drawings in millimetres with roles ([`outline`]); trade words ([`words`]); judgements with a level and a code ([`watch`]).
//!
//! ```
//! use yoke_ground::quantity::{LengthUnit, parse_length, real};
//! use yoke_ground::voice::Voice;
//! use yoke_ground::working::{Quantity, Worksheet, rule};
//!
//! rule!(HALF = "example.half", "Half a length", (x: Mm "length") -> y: Mm, "x/2", "definition", x / 2.0);
//! let bar = parse_length("1-1/4 in", LengthUnit::Mm).map_err(|f| f.0)?;
//! let mut sheet = Worksheet::default();
//! let half = Quantity::length(Voice::default(), sheet.apply(&HALF, [real(&bar.mm).into()]));
//! assert_eq!((half.text.as_str(), half.inch.as_deref()), ("15.875 mm", Some("0.6250 in")));
//! // How it was got is kept with it.
//! assert_eq!(sheet.finish()[0].rule, "example.half");
//! # Ok::<(), String>(())
//! ```

pub mod direction;
pub mod faults;
pub mod outline;
pub mod quantity;
pub mod says;
pub mod stiffness;
pub mod voice;
pub mod watch;
pub mod words;
pub mod working;
