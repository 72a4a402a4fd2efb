//! What could be measured of a sample, checked, each with its doubt.

use crate::direction::Hand;
use crate::faults::{Checker, Fault};
use crate::quantity::MM_PER_INCH;
use crate::system::Side;
use crate::voice::Voice;
use serde::{Deserialize, Serialize};
use yoke_ground::say;

/// A sample as it comes over the wire: any of it may be left out. Lengths in mm, angles in degrees.
#[derive(Debug, Clone, Default, PartialEq, Serialize, Deserialize)]
#[serde(default, deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct SampleRequest {
    /// The member the sample is; a screw when absent.
    pub side: Option<Side>,
    /// Outside diameter of a screw, worn or not.
    pub major_mm: Option<f64>,
    /// Pitch, by a gauge.
    pub pitch_mm: Option<f64>,
    /// Threads per inch, by a gauge.
    pub tpi: Option<f64>,
    /// Spaces counted over a rule; goes with `over_mm`. Ten crests are nine spaces.
    pub spaces: Option<i64>,
    /// What those spaces measure.
    pub over_mm: Option<f64>,
    /// Diameter at the root of a screw, or the bore of a nut.
    pub minor_mm: Option<f64>,
    /// Included angle, by a gauge.
    pub included_angle_deg: Option<f64>,
    /// Size over three wires.
    pub over_wires: Option<OverWires>,
    /// Which way it climbs.
    pub hand: Option<Hand>,
    /// Starts seen at the end of the thread, 1-12.
    pub starts: Option<i64>,
    /// How sure each measurement is, where that is known.
    pub doubts: Doubts,
}

/// A size over wires and the wire.
#[derive(Debug, Clone, Copy, Default, PartialEq, Serialize, Deserialize)]
#[serde(default, deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct OverWires {
    /// Over three wires.
    pub mm: f64,
    /// One wire.
    pub wire_mm: f64,
}

/// Doubts of the measurements, either way; a usual one is taken where none is given.
#[derive(Debug, Clone, Copy, Default, PartialEq, Serialize, Deserialize)]
#[serde(default, deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Doubts {
    /// Of the outside diameter.
    pub major_mm: Option<f64>,
    /// Of a gauged pitch.
    pub pitch_mm: Option<f64>,
    /// Of the length over the spaces.
    pub over_mm: Option<f64>,
    /// Of the root or bore.
    pub minor_mm: Option<f64>,
    /// Of the angle.
    pub included_angle_deg: Option<f64>,
    /// Of the size over wires.
    pub over_wires_mm: Option<f64>,
}

/// A sample, checked.
#[derive(Debug, Clone, PartialEq)]
pub struct Sample {
    pub(super) side: Side,
    pub(super) major_mm: Option<f64>,
    pub(super) gauged_pitch_mm: Option<f64>,
    pub(super) rule: Option<(i64, f64)>,
    pub(super) minor_mm: Option<f64>,
    pub(super) angle_deg: Option<f64>,
    pub(super) over_wires: Option<OverWires>,
    pub(super) hand: Option<Hand>,
    pub(super) starts: u8,
    pub(super) doubts: Doubts,
}

impl Sample {
    /// The pitch it tells, mm: by gauge, else by rule.
    pub(super) fn pitch_mm(&self) -> Option<f64> {
        #[allow(clippy::cast_precision_loss)] // at most a thousand spaces
        self.gauged_pitch_mm.or_else(|| self.rule.map(|(spaces, over)| over / spaces as f64))
    }

    /// Whether anything was measured.
    pub(super) const fn tells_something(&self) -> bool {
        self.major_mm.is_some()
            || self.gauged_pitch_mm.is_some()
            || self.rule.is_some()
            || self.minor_mm.is_some()
            || self.angle_deg.is_some()
            || self.over_wires.is_some()
    }

    /// Checks a request.
    ///
    /// # Errors
    /// Every fault, each with its pointer.
    pub fn check(asked: &SampleRequest, mut faults: Vec<Fault>, voice: Voice) -> Result<Self, Vec<Fault>> {
        let mut c = Checker::spoken(voice);
        let length = |c: &mut Checker, v: Option<f64>, low: f64, high: f64, field: &str| c.sound(v, low, high, field, "mm");
        let major_mm = length(&mut c, asked.major_mm, 0.3, 400.0, "/major_mm");
        let minor_mm = length(&mut c, asked.minor_mm, 0.1, 400.0, "/minor_mm");
        let pitch = length(&mut c, asked.pitch_mm, 0.05, 100.0, "/pitch_mm");
        let tpi = c.sound(asked.tpi, 0.25, 400.0, "/tpi", "threads per inch").map(|n| MM_PER_INCH / n);
        let over = length(&mut c, asked.over_mm, 0.05, 2000.0, "/over_mm");
        let spaces = asked.spaces.filter(|n| c.within(*n as f64, 1.0, 1000.0, "/spaces", "spaces"));
        let angle_deg = c.sound(asked.included_angle_deg, 0.0, 120.0, "/included_angle_deg", "degrees");
        if asked.pitch_mm.is_some() && asked.tpi.is_some() {
            c.fault("/tpi", say!(c.voice, "sample-pitch-or-tpi"));
        }
        if asked.spaces.is_some() != asked.over_mm.is_some() {
            c.fault(if asked.spaces.is_some() { "/over_mm" } else { "/spaces" }, say!(c.voice, "sample-spaces-and-length"));
        }
        let side = asked.side.unwrap_or(Side::External);
        if let (Some(d), Some(m)) = (major_mm, minor_mm)
            && m >= d
        {
            c.fault("/minor_mm", say!(c.voice, "sample-root-as-large"));
        }
        if let Some(w) = asked.over_wires {
            c.within(w.mm, 0.3, 450.0, "/over_wires/mm", "mm");
            c.within(w.wire_mm, 0.05, 50.0, "/over_wires/wire_mm", "mm");
            if side == Side::Internal {
                c.fault("/over_wires", say!(c.voice, "sample-wires-inside"));
            }
        }
        let starts = asked.starts.filter(|n| c.within(*n as f64, 1.0, 12.0, "/starts", "starts")).and_then(|n| u8::try_from(n).ok()).unwrap_or(1);
        let d = asked.doubts;
        for (value, field) in [
            (d.major_mm, "major_mm"),
            (d.pitch_mm, "pitch_mm"),
            (d.over_mm, "over_mm"),
            (d.minor_mm, "minor_mm"),
            (d.included_angle_deg, "included_angle_deg"),
            (d.over_wires_mm, "over_wires_mm"),
        ] {
            c.sound(value, 1e-4, 20.0, &format!("/doubts/{field}"), "");
        }
        faults.append(&mut c.faults);
        if !faults.is_empty() {
            return Err(faults);
        }
        Ok(Self {
            side,
            major_mm,
            gauged_pitch_mm: pitch.or(tpi),
            rule: spaces.zip(over),
            minor_mm,
            angle_deg,
            over_wires: asked.over_wires,
            hand: asked.hand,
            starts,
            doubts: d,
        })
    }
}
