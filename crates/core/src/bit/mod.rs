//! Bit: the tip really ground, and what it will cut.

pub mod rules;

use crate::job::{Assumption, BitFacts};
use crate::quantity::plain_text;
use crate::thread::Side;
use crate::thread::section::Thread;
use crate::watch::{Level, Watch};
use crate::working::{Num, Quantity, Sheet};
use serde::Serialize;

/// The tip the form allows.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct TipAllowed {
    /// Narrowest flat.
    pub min: Quantity,
    /// Widest flat.
    pub max: Quantity,
    /// Flat to aim at.
    pub aim: Quantity,
}

/// The bit.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct BitSection {
    /// Relief on the leading side, external work only.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub leading_relief_deg: Option<Quantity>,
    /// Relief on the trailing side, external work only.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub trailing_relief_deg: Option<Quantity>,
    /// Flat allowed.
    pub tip_flat_mm: TipAllowed,
    /// Tip to pitch line with the tip used.
    pub tip_to_pitch_mm: Quantity,
    /// Whether the tip was measured, or the aim is assumed.
    pub measured: bool,
    /// The bit as it is said.
    pub says: String,
}

/// What later stations need of the tip.
#[derive(Debug, Clone, Copy)]
pub(crate) struct Tip {
    /// Tip to pitch line.
    pub h: Num,
    /// Flat that cuts off as much.
    pub equal_flat: Num,
    /// How far the infeed could be out for want of measuring the tip, mm radial.
    pub doubt: f64,
}

/// Working clearance of a ground bit, degrees. House value.
const CLEARANCE_DEG: f64 = 6.0;

/// Works the tip: as ground, else the form's aim.
pub(crate) fn work(sheet: &mut Sheet, facts: &BitFacts, thread: &Thread, assumed: &mut Vec<Assumption>, watch: &mut Vec<Watch>) -> (Tip, BitSection) {
    let (pitch, alpha) = (thread.pitch, Num::from(thread.alpha_deg));
    let external = thread.spec.side == Side::External;
    let eighth = sheet.work(&rules::EIGHTH, [pitch]);
    let quarter = sheet.work(&rules::QUARTER, [pitch]);
    let (min, max) = if external { (eighth, quarter) } else { (Num::from(0.0), eighth) };
    let (cut_off, measured, tip_says) = match (facts.tip_flat_mm, facts.tip_radius_mm) {
        (_, Some(radius)) => (sheet.work(&rules::CUT_OFF_RADIUS, [radius.into(), alpha]), true, format!("{} mm radius", plain_text(radius, 2))),
        (Some(flat), None) => (sheet.work(&rules::CUT_OFF_FLAT, [flat.into(), alpha]), true, format!("{} mm flat", plain_text(flat, 2))),
        (None, None) => (sheet.work(&rules::CUT_OFF_FLAT, [eighth, alpha]), false, format!("{} mm flat (aim, not measured)", plain_text(eighth.value, 2))),
    };
    let h = sheet.work(&rules::TIP_TO_PITCH, [pitch, alpha, cut_off]);
    let mut doubt = 0.0;
    if !measured {
        doubt = (max.value - min.value) / (2.0 * thread.alpha_deg.to_radians().tan());
        assumed.push(Assumption {
            pointer: "/bit/tip_flat_mm".into(),
            text: format!("The tip was not measured: a flat of P/8, {} mm, is assumed.", plain_text(eighth.value, 2)),
        });
        watch.push(Watch::new(
            Level::Note,
            "assumed_default",
            "cut",
            format!(
                "The tip is not measured: a flat between {} and {} mm is {} of infeed. Measure before the last cuts.",
                plain_text(min.value, 2),
                plain_text(max.value, 2),
                plain_text(doubt, 2)
            ),
        ));
    }
    let angle = facts.included_angle_deg.unwrap_or(thread.alpha_deg * 2.0);
    if (angle - thread.alpha_deg * 2.0).abs() > 0.5 {
        // What a gauge or nut feels of the angle error, taken at the crest or root it bears on.
        let delta = (angle / 2.0 - thread.alpha_deg).abs();
        let tan = |deg: f64| deg.to_radians().tan();
        let reach = 0.649_519 * pitch.value;
        let takes = if angle < thread.alpha_deg * 2.0 {
            reach * (tan(thread.alpha_deg) - tan(thread.alpha_deg - delta)) / tan(thread.alpha_deg)
        } else {
            reach * (2.0 / 3.0) * (tan(thread.alpha_deg + delta) - tan(thread.alpha_deg)) / tan(thread.alpha_deg)
        };
        watch.push(Watch::new(
            Level::Warn,
            "bit_angle",
            "cut",
            format!("A bit of {}° on a 60° thread acts like {} mm off the pitch diameter; grind it true.", plain_text(angle, 1), plain_text(takes, 3)),
        ));
    }
    let equal_flat = sheet.work(&rules::EQUAL_FLAT, [cut_off, alpha]);
    let reliefs = external.then(|| {
        let leading = sheet.work_assuming(&rules::RELIEF_LEADING, [CLEARANCE_DEG.into(), thread.lead_angle_minor], Some("working clearance 6°".into()));
        let trailing = sheet.work_assuming(&rules::RELIEF_TRAILING, [CLEARANCE_DEG.into(), thread.lead_angle_major], Some("working clearance 6°".into()));
        (Quantity::angle(leading), Quantity::angle(trailing))
    });
    let (leading_relief_deg, trailing_relief_deg) = reliefs.unzip();
    let section = BitSection {
        leading_relief_deg,
        trailing_relief_deg,
        tip_flat_mm: TipAllowed { min: Quantity::length(min), max: Quantity::length(max), aim: Quantity::length(eighth) },
        tip_to_pitch_mm: Quantity::length(h),
        measured,
        says: format!("{}°, {tip_says}", plain_text(angle, 0)),
    };
    (Tip { h, equal_flat, doubt }, section)
}
