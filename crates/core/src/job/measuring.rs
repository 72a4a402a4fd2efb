//! The measuring, as told: how the size is proven, and the mate.

use super::request::{GaugeRequest, LeadCorrection, MateRequest, Proof, SpringRequest};
use crate::faults::Checker;
use crate::original::{self, Original, Told, size_bounds};
use crate::quantity::real;
use crate::sentence;
use crate::thread::{MateFacts, Side, ThreadFacts};

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
    /// Whether it hangs on the tailstock's side of the work meanwhile.
    pub mate_hung: bool,
    /// Whether it is the spindle's own nose.
    pub mate_is_nose: bool,
    /// How far it must go on, mm, when told.
    pub mate_goes_on_mm: Option<f64>,
    /// Whether the crest the thread is cut from was measured: which wires bear goes by it.
    pub crest_measured: bool,
    /// The part to match.
    pub original: Option<Original>,
    /// The spring learned, where it is used.
    pub spring: Option<SpringRequest>,
}

/// Settles it.
pub(super) fn settle(asked: &GaugeRequest, thread: Option<&ThreadFacts>, crest_measured: bool, c: &mut Checker) -> GaugeFacts {
    if asked.mate_is_nose == Some(true) && thread.is_some_and(|t| t.spec.side == Side::External) {
        c.fault("/gauge/mate_is_nose", sentence!("fact-nose-is-a-screw"));
    }
    GaugeFacts {
        lead_correction: asked.lead_correction.unwrap_or(LeadCorrection::Auto),
        proof: asked.proof.unwrap_or_default(),
        // A lathe has its nose at hand.
        mate_at_hand: if asked.mate_is_nose == Some(true) { Some(true) } else { asked.mate_at_hand },
        mate_ahead_mm: c.sound(asked.mate_ahead_mm, 0.0, 2000.0, "/gauge/mate_ahead_mm", "mm"),
        mate_hung: asked.mate_hung.unwrap_or(false),
        mate_is_nose: asked.mate_is_nose.unwrap_or(false),
        mate_goes_on_mm: c.sound(asked.mate_goes_on_mm, 0.1, 5000.0, "/gauge/mate_goes_on_mm", "mm"),
        crest_measured,
        spring: asked
            .spring
            .filter(|s| c.within(s.share, 0.0, 0.6, "/gauge/spring/share", "of a cut") & c.within(s.doubt, 0.005, 0.5, "/gauge/spring/doubt", "of a cut")),
        original: asked.original.as_ref().and_then(|o| original::settle(o, thread, c)),
    }
}

/// Settles the other member of a pair.
pub(super) fn settle_mate(asked: &MateRequest, thread: Option<&ThreadFacts>, c: &mut Checker) -> MateFacts {
    let (low, high) = size_bounds(thread);
    let pitch = thread.map_or(100.0, |t| real(&t.spec.pitch));
    let told = Told { size: asked.made_pitch_diameter_mm, over: asked.made_over_wires_mm, wire: asked.made_wire_mm };
    if told.size.is_some() && told.over.is_some() {
        c.fault("/mate/made_over_wires_mm", sentence!("fact-mate-size-once"));
    }
    if told.over.is_some() && thread.is_some_and(|t| t.spec.side == Side::External) {
        c.fault("/mate/made_over_wires_mm", sentence!("fact-mate-nut-no-wires"));
    }
    let at = ["made_pitch_diameter_mm", "made_over_wires_mm", "made_wire_mm"].map(|field| format!("/mate/{field}"));
    MateFacts {
        school: asked.school,
        made_mm: told.size(&at, thread, c),
        doubt_mm: c.sound(asked.made_doubt_mm, 0.0, pitch / 2.0, "/mate/made_doubt_mm", "mm for this pitch").filter(|mm| *mm > 0.0),
        crest_mm: c.sound(asked.made_crest_mm, low, high, "/mate/made_crest_mm", "mm for this thread"),
        root_mm: c.sound(asked.made_root_mm, low - 2.0 * pitch, high + 2.0 * pitch, "/mate/made_root_mm", "mm for this thread"),
        clearance_mm: c.sound(asked.clearance_mm, 0.0, pitch / 2.0, "/mate/clearance_mm", "mm for this pitch"),
        interchange: asked.interchange.unwrap_or(false),
    }
}
