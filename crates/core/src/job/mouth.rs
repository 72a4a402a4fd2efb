//! The register at the mouth, and two diameters of a turned length, as told and settled.

use crate::faults::Checker;
use crate::sentence;
use serde::{Deserialize, Serialize};

/// How freely a register fits.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum RegisterFit {
    /// Located without shake.
    #[default]
    Close,
    /// Turns freely.
    Running,
    /// Goes together in dirt and grease.
    Easy,
}

/// A register as asked for.
#[derive(Debug, Clone, Default, PartialEq, Serialize, Deserialize)]
#[serde(default, deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct RegisterRequest {
    /// The mate's plain part as measured: its shank for a bore, its plain bore for a screw.
    pub mate_plain_mm: Option<f64>,
    /// How freely it is to fit; close when absent.
    pub fit: Option<RegisterFit>,
    /// How deep it goes; half the nominal diameter when absent.
    pub depth_mm: Option<f64>,
}

/// A register, settled.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct RegisterFacts {
    /// The mate's plain part, mm.
    pub mate_plain_mm: f64,
    /// How freely it fits.
    pub fit: RegisterFit,
    /// Its depth, mm.
    pub depth_mm: f64,
}

impl RegisterRequest {
    /// Settles it for a thread of this nominal diameter.
    pub(crate) fn check(&self, major: f64, c: &mut Checker) -> Option<RegisterFacts> {
        let place = "/blank/register/mate_plain_mm";
        if self.mate_plain_mm.is_none() {
            c.fault(place, sentence!("fact-register-fits-mates-plain-part"));
        }
        let mate_plain_mm = c.sound(self.mate_plain_mm, major * 0.3, major * 3.0, place, "mm for this thread");
        let depth = c.sound(self.depth_mm, 0.5, 1000.0, "/blank/register/depth_mm", "mm");
        Some(RegisterFacts { mate_plain_mm: mate_plain_mm?, fit: self.fit.unwrap_or_default(), depth_mm: depth.unwrap_or(major / 2.0) })
    }
}

/// Two diameters of one turned length.
#[derive(Debug, Clone, Default, PartialEq, Serialize, Deserialize)]
#[serde(default, deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ParallelRequest {
    /// Diameter at the free end, or at the mouth of a bore.
    pub free_mm: Option<f64>,
    /// Diameter at the headstock end, or at the bottom of a bore.
    pub headstock_mm: Option<f64>,
    /// How far apart they were measured.
    pub apart_mm: Option<f64>,
}

/// The two diameters, settled.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Parallel {
    /// Diameter at the free end, mm.
    pub free_mm: f64,
    /// Diameter at the headstock end, mm.
    pub headstock_mm: f64,
    /// Apart, mm.
    pub apart_mm: f64,
}

impl ParallelRequest {
    /// Settles the three figures; none or all of them are told.
    pub(crate) fn check(&self, (low, high): (f64, f64), c: &mut Checker) -> Option<Parallel> {
        let mut sized = |v: Option<f64>, low: f64, high: f64, field: &str| {
            let place = format!("/blank/parallel/{field}");
            if v.is_none() {
                c.fault(place.as_str(), sentence!("fact-parallel-test-two-diameters-how"));
            }
            c.sound(v, low, high, &place, "mm")
        };
        let (free, headstock, apart) =
            (sized(self.free_mm, low, high, "free_mm"), sized(self.headstock_mm, low, high, "headstock_mm"), sized(self.apart_mm, 1.0, 5000.0, "apart_mm"));
        Some(Parallel { free_mm: free?, headstock_mm: headstock?, apart_mm: apart? })
    }
}
