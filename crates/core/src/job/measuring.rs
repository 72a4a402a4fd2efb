//! The measuring, as told: how the size is proven, and the part to match.

use super::request::{GaugeRequest, LeadCorrection, OriginalRequest, Proof, SpringRequest};
use crate::faults::Checker;
use crate::quantity::real;
use crate::sentence;
use crate::thread::{Groove, ThreadFacts};

/// The measuring, settled.
#[derive(Debug, Clone, PartialEq)]
pub struct GaugeFacts {
    /// Lead correction.
    pub lead_correction: LeadCorrection,
    /// How the size is to be proven.
    pub proof: Proof,
    /// Whether the mate is at hand, where that was told.
    pub mate_at_hand: Option<bool>,
    /// What it carries ahead of its thread, mm, when told.
    pub mate_ahead_mm: Option<f64>,
    /// How far it must go on, mm, when told.
    pub mate_goes_on_mm: Option<f64>,
    /// Whether the crest the thread is cut from was measured: which wires bear goes by it.
    pub crest_measured: bool,
    /// The part to match.
    pub original: Option<Original>,
    /// The spring learned, where it is used.
    pub spring: Option<SpringRequest>,
}

/// A part to match, settled.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Original {
    /// Its pitch diameter, mm.
    pub pitch_diameter_mm: f64,
    /// How much looser this one is to be, mm on the pitch diameter.
    pub clearance_mm: f64,
}

/// Settles it.
pub(super) fn settle(asked: &GaugeRequest, thread: Option<&ThreadFacts>, crest_measured: bool, c: &mut Checker) -> GaugeFacts {
    GaugeFacts {
        lead_correction: asked.lead_correction.unwrap_or(LeadCorrection::Auto),
        proof: asked.proof.unwrap_or_default(),
        mate_at_hand: asked.mate_at_hand,
        mate_ahead_mm: c.sound(asked.mate_ahead_mm, 0.0, 2000.0, "/gauge/mate_ahead_mm", "mm"),
        mate_goes_on_mm: c.sound(asked.mate_goes_on_mm, 0.1, 5000.0, "/gauge/mate_goes_on_mm", "mm"),
        crest_measured,
        spring: asked
            .spring
            .filter(|s| c.within(s.share, 0.0, 0.6, "/gauge/spring/share", "of a cut") & c.within(s.doubt, 0.005, 0.5, "/gauge/spring/doubt", "of a cut")),
        original: asked.original.as_ref().and_then(|o| settle_original(o, thread, c)),
    }
}

fn settle_original(asked: &OriginalRequest, thread: Option<&ThreadFacts>, c: &mut Checker) -> Option<Original> {
    let (low, high) = size_bounds(thread);
    let clearance_mm = c.sound(asked.clearance_mm, 0.0, 5.0, "/gauge/original/clearance_mm", "mm").unwrap_or(0.0);
    let size = match (asked.pitch_diameter_mm, asked.over_wires_mm) {
        (Some(size), None) => c.sound(Some(size), low, high, "/gauge/original/pitch_diameter_mm", "mm for this thread"),
        (None, Some(over)) => {
            let over = c.sound(Some(over), low, 2.0 * high, "/gauge/original/over_wires_mm", "mm for this thread")?;
            let Some(wire) = c.sound(asked.wire_mm, 0.05, 50.0, "/gauge/original/wire_mm", "mm") else {
                c.fault("/gauge/original/wire_mm", sentence!("fact-say-wires-measured-over"));
                return None;
            };
            let spec = &thread?.spec;
            let groove = Groove { pitch_diameter_mm: real(&spec.major), pitch_mm: real(&spec.pitch), lead_mm: real(&spec.lead()), flanks: spec.flanks() };
            groove.pitch_diameter_of(over, wire).filter(|e| c.within(*e, low, high, "/gauge/original/over_wires_mm", "mm of pitch diameter, over those wires"))
        }
        _ => {
            c.fault("/gauge/original/pitch_diameter_mm", sentence!("fact-give-pitchdiametermm-overwiresmm-wiremm-one"));
            None
        }
    };
    size.map(|pitch_diameter_mm| Original { pitch_diameter_mm, clearance_mm })
}

/// Pitch diameters this thread could have at all, mm.
pub(super) fn size_bounds(thread: Option<&ThreadFacts>) -> (f64, f64) {
    thread.map_or((0.1, 1000.0), |t| {
        let (d, p) = (real(&t.spec.major), real(&t.spec.pitch));
        ((d - 1.2 * p).max(0.05), d + 0.2 * p)
    })
}
