//! Rules of a pair.

use crate::working::{Rule, rule};

rule!(CLEARANCE = "pair.clearance", "Clearance on diameter", (i: Mm "size of the nut", e: Mm "size of the screw") -> c: Mm, "i - e", "definition", i - e);
rule!(FITTED_NUT = "pair.fitted_nut", "Size of the nut that fits this screw", (e: Mm "pitch diameter of the screw as made", c: Mm "least clearance", t: Mm "share of the nut's own tolerance") -> E: Mm,
    "e + c + t", "the screw as it is, the clearance the standard never goes under, and the nut's own tolerance to work in", e + c + t);
rule!(FITTED_SCREW = "pair.fitted_screw", "Size of the screw that fits this nut", (i: Mm "pitch diameter of the nut as made", c: Mm "least clearance", t: Mm "share of the screw's own tolerance") -> E: Mm,
    "i - c - t", "the nut as it is, less the clearance the standard never goes under, and the screw's own tolerance to work in", i - c - t);

/// All of them.
pub static ALL: &[&Rule] = &[&CLEARANCE, &FITTED_NUT, &FITTED_SCREW];
