//! What the readings say of the tip.
//!
//! The model, small enough to work by hand. Two things are unknown: how far the tip stands past the pitch line, and how far the
//! work and the tool spring apart in a cut. A reading taken with the dial at radial depth X gives their sum: X less half of what
//! came off the diameter is tip + k·spring, where k is 1 straight after a cut and shrinks with every spring pass. Each unknown
//! begins as a normal guess: the tip as told, anywhere between the narrowest and the widest it could be, the spring as is usual.
//! Each reading with its own doubt sharpens both by Bayes' rule, which for normal guesses is two linear equations.

use super::verdict::READING_DOUBT_MM;
use crate::log::RunPlan;
use crate::quantity::plain_text;
use crate::thread::Side;
use serde::{Deserialize, Serialize};

/// The tip a plan was laid out for, and how well it is known.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct RunTip {
    /// Pitch, mm.
    pub pitch_mm: f64,
    /// Half angle, degrees.
    pub alpha_deg: f64,
    /// Narrowest the flat, or the flat as deep as a round tip, could be, mm.
    pub narrow_mm: f64,
    /// Widest it could be, mm.
    pub wide_mm: f64,
}

/// A reading as the estimate takes it.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Sized {
    /// Radial depth the dial stood at, mm.
    pub stood_mm: f64,
    /// Pitch diameter read, mm.
    pub size_mm: f64,
    /// Its doubt, mm on diameter.
    pub doubt_mm: f64,
    /// Spring passes taken at that depth before it was read.
    pub springs: u32,
}

/// The tip as the readings have it.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct TipFound {
    /// Flat, mm; of a round tip the flat that cuts as deep.
    pub flat_mm: f64,
    /// Give or take, mm: two standard deviations.
    pub doubt_mm: f64,
    /// How far it stands past the pitch line, mm.
    pub tip_to_pitch_mm: f64,
    /// How far tool and work spring apart straight after a cut, mm radial.
    pub spring_mm: f64,
    /// Readings it rests on.
    pub readings: usize,
    /// In words.
    pub says: String,
}

/// Spring of a light finishing cut, and how far it may be from that, mm radial. House values.
const SPRING_MM: f64 = 0.010;
const SPRING_DOUBT_MM: f64 = 0.010;
/// What a spring pass leaves of the spring. House value.
const SPRING_LEFT: f64 = 0.4;
/// How far a flat that was measured may still be out, mm: a glass and a rule. House value.
const MEASURED_DOUBT_MM: f64 = 0.02;

/// The tip the readings point to; `None` before the first, or for a square thread, whose tip sets no depth.
#[must_use]
pub fn tip_found(run: &RunPlan, readings: &[Sized]) -> Option<TipFound> {
    let tip = run.tip.filter(|t| t.alpha_deg > 0.0 && !readings.is_empty())?;
    let slope = 2.0 * tip.alpha_deg.to_radians().tan();
    let height = |flat: f64| tip.pitch_mm / (2.0 * slope) - flat / slope;
    let (deep, shallow) = (height(tip.narrow_mm), height(tip.wide_mm));
    // A spread all of which is as likely has a standard deviation of its width over the root of twelve.
    let tip_sd = ((deep - shallow) / 12.0_f64.sqrt()).max(MEASURED_DOUBT_MM / slope / 2.0);
    let (tip_weight, spring_weight) = (tip_sd.powi(-2), SPRING_DOUBT_MM.powi(-2));
    let (mut a, mut b, mut c) = (tip_weight, 0.0, spring_weight);
    let (mut p, mut q) = (tip_weight * f64::midpoint(deep, shallow), spring_weight * SPRING_MM);
    for reading in readings {
        let came_off = if run.side == Side::External { run.start_mm - reading.size_mm } else { reading.size_mm - run.start_mm };
        let sum = reading.stood_mm - came_off / 2.0;
        let k = SPRING_LEFT.powi(i32::try_from(reading.springs.min(20)).unwrap_or(20));
        // The doubt told is two standard deviations, and of the diameter.
        let weight = (reading.doubt_mm.max(READING_DOUBT_MM) / 4.0).powi(-2);
        a += weight;
        b += weight * k;
        c += weight * k * k;
        p += weight * sum;
        q += weight * k * sum;
    }
    let det = a * c - b * b;
    let (reach, spring) = ((p * c - q * b) / det, (q * a - p * b) / det);
    let flat_mm = (tip.pitch_mm / 2.0 - reach * slope).max(0.0);
    let doubt_mm = 2.0 * (c / det).sqrt() * slope;
    let count = readings.len();
    Some(TipFound {
        flat_mm,
        doubt_mm,
        tip_to_pitch_mm: reach,
        spring_mm: spring,
        readings: count,
        says: format!(
            "By {count} {} the tip is {} mm flat, give or take {}; the cut springs off some {} mm.",
            if count == 1 { "reading" } else { "readings" },
            plain_text(flat_mm, 2),
            plain_text(doubt_mm, 2),
            plain_text(spring.max(0.0), 3)
        ),
    })
}
