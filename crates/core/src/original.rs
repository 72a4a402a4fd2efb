//! A part to match, as told: measured by what can be reached of it, and what its size over the flanks is taken to be.

use crate::faults::Checker;
use crate::quantity::real;
use crate::sentence;
use crate::thread::{Groove, Side, ThreadFacts};
use serde::{Deserialize, Serialize};

/// A part to match: its pitch diameter, its size over wires, or what else of it could be measured, and how much looser this one is to be.
#[derive(Debug, Clone, Default, PartialEq, Serialize, Deserialize)]
#[serde(default, deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct OriginalRequest {
    /// By thread micrometer, mm.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub pitch_diameter_mm: Option<f64>,
    /// Over three wires, mm.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub over_wires_mm: Option<f64>,
    /// Those wires, mm.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub wire_mm: Option<f64>,
    /// Across its crests, at a place not worn: a screw's outside, a nut's bore; with its root or a space.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub crest_mm: Option<f64>,
    /// Across its roots.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub root_mm: Option<f64>,
    /// Width of a space at its mouth, between two crests.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub space_mm: Option<f64>,
    /// How much looser than it, mm on the pitch diameter; tighter under nought, as a tap is made over its screw; 0 when not told.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub clearance_mm: Option<f64>,
    /// How far from that it may end, either way; as near as it can be measured when not told.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub allow_mm: Option<f64>,
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
    /// How far its size over the flanks may be from what was made of the rest of it, mm; nought where that was measured.
    pub doubt_mm: f64,
}

/// Settles a part to match.
pub(crate) fn settle(asked: &OriginalRequest, thread: Option<&ThreadFacts>, c: &mut Checker) -> Option<Original> {
    let clearance_mm = c.sound(asked.clearance_mm, -5.0, 5.0, "/gauge/original/clearance_mm", "mm").unwrap_or(0.0);
    let allow_mm = c.sound(asked.allow_mm, 0.005, 5.0, "/gauge/original/allow_mm", "mm");
    let told = Told { size: asked.pitch_diameter_mm, over: asked.over_wires_mm, wire: asked.wire_mm };
    let made = |(pitch_diameter_mm, doubt_mm): (f64, f64)| Original { pitch_diameter_mm, clearance_mm, allow_mm, doubt_mm };
    let ways = [told.size.is_some(), told.over.is_some(), asked.crest_mm.is_some()];
    if ways.iter().filter(|w| **w).count() != 1 {
        c.fault("/gauge/original/pitch_diameter_mm", sentence!("fact-give-pitchdiametermm-overwiresmm-wiremm-one"));
        return None;
    }
    if let Some(crest) = asked.crest_mm {
        let found = of_the_rest(crest, asked, thread, c)?;
        let [size, doubt] = [found.0, found.1].map(|mm| c.voice.length(mm));
        c.assume("/gauge/original/pitch_diameter_mm", sentence!("fact-original-estimated", size = size, doubt = doubt));
        return Some(made(found));
    }
    let at = ["pitch_diameter_mm", "over_wires_mm", "wire_mm"].map(|field| format!("/gauge/original/{field}"));
    told.size(&at, thread, c).map(|size| made((size, 0.0)))
}

/// How well a space is read across, mm. House value: a rule's edge or a drill shank tried in it.
const SPACE_DOUBT_MM: f64 = 0.02;
/// How well the flats of crest and root are known together from two diameters, mm. House value: a caliper's hundredths, by the flanks' slope.
const READ_DOUBT_MM: f64 = 0.01;
/// The pitch diameter of a part of which the crests and the root, or a space, were measured, and its doubt, mm.
///
/// At its crests a space is half the pitch wide and (d − E)·tan α more; crest flat, root flat and 2·depth·tan α make up the pitch.
fn of_the_rest(crest: f64, asked: &OriginalRequest, thread: Option<&ThreadFacts>, c: &mut Checker) -> Option<(f64, f64)> {
    let spec = &thread?.spec;
    let (low, high) = size_bounds(thread);
    let (pitch, flanks) = (real(&spec.pitch), spec.flanks());
    let tan = f64::midpoint(flanks.leading.to_radians().tan(), flanks.trailing.to_radians().tan());
    if tan <= 0.0 {
        c.fault("/gauge/original/crest_mm", sentence!("fact-original-straight-sides"));
        return None;
    }
    let crest = c.sound(Some(crest), low, high + pitch, "/gauge/original/crest_mm", "mm for this thread")?;
    // A screw's flanks lie inside its crests, a nut's outside.
    let turn = if spec.side == Side::External { -1.0 } else { 1.0 };
    let (into, doubt) = match (asked.space_mm, asked.root_mm) {
        (Some(space), None) => {
            let space = c.sound(Some(space), pitch / 2.0, pitch, "/gauge/original/space_mm", "mm, a space at its mouth of this pitch")?;
            ((space - pitch / 2.0) / tan, SPACE_DOUBT_MM / tan)
        }
        (None, Some(root)) => {
            let flats = pitch - (crest - root).abs() * tan;
            let sound = turn * (root - crest) > 0.0 && flats >= 0.0;
            if !sound {
                c.fault("/gauge/original/root_mm", sentence!("fact-original-root"));
                return None;
            }
            let [flat, doubt] = crest_of(flats, spec.flats_mm()?);
            ((pitch / 2.0 - flat) / tan, doubt / tan)
        }
        _ => {
            c.fault("/gauge/original/root_mm", sentence!("fact-original-root-or-space"));
            return None;
        }
    };
    Some((crest + turn * into, doubt))
}

/// How wide a crest is where crest and root are so wide together, and how far it may be from that, mm: what either may be as the form leaves
/// them, each read no better than [`READ_DOUBT_MM`]; of a part further off than both allow, they share what it is off.
fn crest_of(flats: f64, [crest, root]: [[f64; 2]; 2]) -> [f64; 2] {
    let (least, most) = (crest[0] + root[0], crest[1] + root[1]);
    let within = flats.clamp(least, most);
    let (low, high) = (crest[0].max(within - root[1] - READ_DOUBT_MM), crest[1].min(within - root[0] + READ_DOUBT_MM));
    let off = flats - within;
    [f64::midpoint(low, high) + off / 2.0, (high - low) / 2.0 + off.abs() / 2.0]
}

/// A pitch diameter as told: itself, or over wires of a size.
pub(crate) struct Told {
    pub size: Option<f64>,
    pub over: Option<f64>,
    pub wire: Option<f64>,
}

impl Told {
    /// The pitch diameter, mm; `at` names the three fields.
    pub fn size(&self, at: &[String; 3], thread: Option<&ThreadFacts>, c: &mut Checker) -> Option<f64> {
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

/// Pitch diameters this thread could have at all, mm.
pub(crate) fn size_bounds(thread: Option<&ThreadFacts>) -> (f64, f64) {
    thread.map_or((0.1, 1000.0), |t| {
        let (d, p) = (real(&t.spec.major), real(&t.spec.pitch));
        ((d - 1.2 * p).max(0.05), d + 0.2 * p)
    })
}
