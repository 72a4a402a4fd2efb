//! Past the limit: what can still be done, honestly. No cut puts metal back.

use crate::bit::felt;
use crate::run::{READING_DOUBT_MM, RunPlan};
use crate::say;
use crate::thread::{RunMate, Side};
use crate::voice::Voice;
use serde::Serialize;

/// What can be done with a thread of this pitch diameter, past its limit: the least loss first.
#[must_use]
pub fn still_to_do(run: &RunPlan, size_mm: f64, voice: Voice) -> Vec<String> {
    let screw = run.side == Side::External;
    let (this, other) = if screw { ("screw", "nut") } else { ("nut", "screw") };
    let mut list = Vec::new();
    if let Some(class) = run.classes.iter().find(|c| size_mm >= c.limits_mm[0] && size_mm <= c.limits_mm[1]) {
        list.push(say!(voice, "past-another-class", name = &class.name, low = voice.length(class.limits_mm[0]), high = voice.length(class.limits_mm[1])));
    }
    let [least, most] = run.clearance();
    match run.mate {
        Some(RunMate { pitch_diameter_mm: made, doubt_mm }) if doubt_mm <= READING_DOUBT_MM => {
            let has = run.cut_sign() * (made - size_mm);
            list.push(say!(
                voice,
                "past-mate-as-made",
                other = other,
                has = voice.length(has),
                least = voice.length(least),
                most = voice.length(most),
                serves = if has <= most { "yes" } else { "no" }
            ));
        }
        _ => {
            let to = size_mm + run.cut_sign() * f64::midpoint(least, most).min(least.max(0.0) + 0.05);
            list.push(say!(voice, "past-fit-the-mate", other = other, to = voice.length(to)));
        }
    }
    list.push(say!(voice, "past-scrap", short = voice.length(run.tip_doubt_mm.max(0.05))));
    if run.opening_loses {
        list.push(say!(voice, "past-do-not-open", this = this));
    }
    list
}

/// The flank angle really cut, found by two sizes of wire.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct FlankFound {
    /// Half angle, degrees.
    pub half_angle_deg: f64,
    /// Give or take, degrees.
    pub doubt_deg: f64,
    /// What a mate feels of it, as pitch diameter, mm.
    pub feels_mm: f64,
    /// In words.
    pub says: String,
}

/// The half angle of two sizes over wires, each a wire and the size over three of it, mm; nothing where they cannot be of one groove.
pub(crate) fn flank_of(run: &RunPlan, a: [f64; 2], b: [f64; 2], voice: Voice) -> Option<FlankFound> {
    let alpha = run.tip?.alpha_deg;
    let groove = run.groove(run.target_mm)?;
    let half_angle_deg = groove.half_angle_of(a, b)?;
    // 1 + 1/sin α = ΔM/Δw, so α moves by sin²α/cos α for one of that; two readings, each in doubt.
    let rad = alpha.to_radians();
    let doubt_deg = (std::f64::consts::SQRT_2 * READING_DOUBT_MM / (b[0] - a[0]).abs() * rad.sin().powi(2) / rad.cos()).to_degrees();
    let feels_mm = run.heights_mm.map_or(0.0, |heights| felt(alpha, [alpha, half_angle_deg], heights));
    let off = half_angle_deg - alpha;
    let says = if off.abs() <= doubt_deg {
        say!(voice, "flank-by-two-wires", angle = voice.angle(half_angle_deg), doubt = voice.angle(doubt_deg))
    } else {
        say!(
            voice,
            "flank-off-by-two-wires",
            angle = voice.angle(half_angle_deg),
            off = voice.angle(off.abs()),
            way = if off > 0.0 { "wide" } else { "narrow" },
            doubt = voice.angle(doubt_deg),
            feels = voice.micro(feels_mm)
        )
    };
    Some(FlankFound { half_angle_deg, doubt_deg, feels_mm: if off.abs() <= doubt_deg { 0.0 } else { feels_mm }, says })
}
