//! The measuring, as told: how the size is proven, and the part to match.

use super::request::{GaugeRequest, LeadCorrection, MateRequest, OriginalRequest, Proof, SpringRequest};
use crate::faults::Checker;
use crate::quantity::real;
use crate::sentence;
use crate::thread::{Groove, MateFacts, Side, ThreadFacts};

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
    /// Whether it hangs on the tailstock's side of the work meanwhile, when told.
    pub mate_hung: Option<bool>,
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
    /// How much looser this one is to be, mm on the pitch diameter; tighter under nought.
    pub clearance_mm: f64,
    /// How far from that it may end either way, mm, when told.
    pub allow_mm: Option<f64>,
}

/// Settles it.
pub(super) fn settle(asked: &GaugeRequest, thread: Option<&ThreadFacts>, crest_measured: bool, c: &mut Checker) -> GaugeFacts {
    GaugeFacts {
        lead_correction: asked.lead_correction.unwrap_or(LeadCorrection::Auto),
        proof: asked.proof.unwrap_or_default(),
        mate_at_hand: asked.mate_at_hand,
        mate_ahead_mm: c.sound(asked.mate_ahead_mm, 0.0, 2000.0, "/gauge/mate_ahead_mm", "mm"),
        mate_hung: asked.mate_hung,
        mate_goes_on_mm: c.sound(asked.mate_goes_on_mm, 0.1, 5000.0, "/gauge/mate_goes_on_mm", "mm"),
        crest_measured,
        spring: asked
            .spring
            .filter(|s| c.within(s.share, 0.0, 0.6, "/gauge/spring/share", "of a cut") & c.within(s.doubt, 0.005, 0.5, "/gauge/spring/doubt", "of a cut")),
        original: asked.original.as_ref().and_then(|o| settle_original(o, thread, c)),
    }
}

fn settle_original(asked: &OriginalRequest, thread: Option<&ThreadFacts>, c: &mut Checker) -> Option<Original> {
    let clearance_mm = c.sound(asked.clearance_mm, -5.0, 5.0, "/gauge/original/clearance_mm", "mm").unwrap_or(0.0);
    let allow_mm = c.sound(asked.allow_mm, 0.005, 5.0, "/gauge/original/allow_mm", "mm");
    let told = Told { size: asked.pitch_diameter_mm, over: asked.over_wires_mm, wire: asked.wire_mm };
    if told.size.is_some() == told.over.is_some() {
        c.fault("/gauge/original/pitch_diameter_mm", sentence!("fact-give-pitchdiametermm-overwiresmm-wiremm-one"));
        return None;
    }
    let at = ["pitch_diameter_mm", "over_wires_mm", "wire_mm"].map(|field| format!("/gauge/original/{field}"));
    told.size(&at, thread, c).map(|pitch_diameter_mm| Original { pitch_diameter_mm, clearance_mm, allow_mm })
}

/// A pitch diameter as told: itself, or over wires of a size.
struct Told {
    size: Option<f64>,
    over: Option<f64>,
    wire: Option<f64>,
}

impl Told {
    /// The pitch diameter, mm; `at` names the three fields.
    fn size(&self, at: &[String; 3], thread: Option<&ThreadFacts>, c: &mut Checker) -> Option<f64> {
        let (low, high) = size_bounds(thread);
        let [size_at, over_at, wire_at] = at;
        let Some(over) = self.over else { return c.sound(self.size, low, high, size_at, "mm for this thread") };
        let over = c.sound(Some(over), low, 2.0 * high, over_at, "mm for this thread")?;
        let Some(wire) = c.sound(self.wire, 0.05, 50.0, wire_at, "mm") else {
            c.fault(wire_at.as_str(), sentence!("fact-say-wires-measured-over"));
            return None;
        };
        let spec = &thread?.spec;
        let groove = Groove { pitch_diameter_mm: real(&spec.major), pitch_mm: real(&spec.pitch), lead_mm: real(&spec.lead()), flanks: spec.flanks() };
        groove.pitch_diameter_of(over, wire).filter(|e| c.within(*e, low, high, over_at, "mm of pitch diameter, over those wires"))
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

/// Pitch diameters this thread could have at all, mm.
pub(super) fn size_bounds(thread: Option<&ThreadFacts>) -> (f64, f64) {
    thread.map_or((0.1, 1000.0), |t| {
        let (d, p) = (real(&t.spec.major), real(&t.spec.pitch));
        ((d - 1.2 * p).max(0.05), d + 0.2 * p)
    })
}
