//! The tool that turns the relief of the Blank station: a blade that clears the groove it makes.

use super::bar::{ROOM_MM, heel};
use super::rules;
use crate::quantity::plain_text;
use crate::say;
use crate::thread::Side;
use crate::thread::form::Thread;
use crate::working::{Num, Quantity, Worksheet};
use serde::Serialize;

/// End relief outside, degrees: 10 to 12 by practice.
const END_DEG: f64 = 11.0;
/// How much each side of the blade falls in under its edge, and narrows to the back, degrees. House values.
const SIDE_DEG: f64 = 2.0;
const TAPER_DEG: f64 = 1.5;
/// How much longer the blade is than the groove is deep, mm. House value.
const LONGER_MM: f64 = 1.0;
/// Widest blade plunged in one go, mm; a wider groove is made in steps side by side. House value.
const WIDEST_MM: f64 = 4.0;
/// How deep a bar is taken to stand under its edge in a bore, as a share of the bore's radius, when none is told. House value.
const UNDER_SHARE: f64 = 0.5;

/// The relief tool.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ReliefTool {
    /// Width of its edge.
    pub width_mm: Quantity,
    /// Width at the root of the blade.
    pub back_mm: Quantity,
    /// Length of the blade.
    pub blade_mm: Quantity,
    /// Radius on its corners, of the square one.
    pub corner_mm: Quantity,
    /// Radius of the round-nosed one, where a full round may serve.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub round_mm: Option<Quantity>,
    /// End relief.
    pub end_deg: Quantity,
    /// Relief of each side.
    pub side_deg: Quantity,
    /// In a bore, most the bar behind the blade may measure so that it goes in.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub bar_mm: Option<Quantity>,
    /// How it is ground and used.
    pub says: Vec<String>,
}

/// A groove to be turned.
pub(crate) struct Groove {
    /// Its width.
    pub width: Num,
    /// Diameter at its bottom.
    pub bottom: Num,
    /// Diameter of the blank beside it.
    pub beside: Num,
    /// Largest radius its corners may have, mm.
    pub corner: f64,
}

/// Works the tool for a groove.
pub(crate) fn reckon(sheet: &mut Worksheet, thread: &Thread, groove: &Groove, bar_radius: Option<f64>, clearance: f64) -> ReliefTool {
    let voice = sheet.voice();
    let internal = thread.spec.side == Side::Internal;
    let steps = (groove.width.value / WIDEST_MM).ceil().max(1.0);
    // Narrower than the groove where it is made in steps, so that the last takes a clean side.
    let width = if steps > 1.0 { Num::from(WIDEST_MM.min(groove.width.value)) } else { groove.width };
    let blade = sheet.apply(&rules::BLADE, [groove.beside, groove.bottom, LONGER_MM.into()]);
    let back = sheet.apply(&rules::BLADE_BACK, [width, blade, TAPER_DEG.into()]);
    let mut says = Vec::new();
    let round = (width.value / 2.0 <= groove.corner + 1e-9).then_some(width.value / 2.0);
    says.push(match round {
        Some(r) => say!(voice, "bit-relief-round-serves", radius = voice.about(r)),
        None => {
            say!(voice, "bit-relief-round-not", radius = voice.about(width.value / 2.0), most = voice.about(voice.rule_under(groove.corner)))
        }
    });
    let (end, bar) = if internal {
        let radius = groove.bottom.value / 2.0;
        let under = bar_radius.unwrap_or(UNDER_SHARE * groove.beside.value / 2.0);
        let heel = heel(sheet, groove.bottom, under, clearance).filter(|h| h.value > END_DEG).unwrap_or_else(|| END_DEG.into());
        if heel.value > END_DEG {
            says.push(say!(voice, "bit-relief-heel", falls = voice.eye(heel.value), under = voice.about(under), radius = voice.about(radius)));
        }
        let bar = sheet.apply(&rules::BLADE_BAR, [groove.beside, ROOM_MM.into(), blade]);
        says.push(say!(voice, "bit-relief-goes-in", bore = voice.length(groove.beside.value), most = voice.about(voice.rule_under(bar.value))));
        (heel, Some(bar))
    } else {
        (Num::from(END_DEG), None)
    };
    if steps > 1.0 {
        says.push(say!(voice, "bit-relief-plunge", times = plain_text(steps, 0)));
    }
    says.push(say!(voice, "bit-relief-sides", falls = voice.eye(SIDE_DEG), narrows = voice.eye(TAPER_DEG)));
    ReliefTool {
        width_mm: Quantity::about(voice, width),
        back_mm: Quantity::about(voice, back),
        blade_mm: Quantity::about(voice, blade),
        corner_mm: Quantity::about(voice, groove.corner.min(width.value / 4.0)),
        round_mm: round.map(|v| Quantity::length(voice, v)),
        end_deg: Quantity::by_eye(end),
        side_deg: Quantity::by_eye(SIDE_DEG),
        bar_mm: bar.map(|v| Quantity::length(voice, v)),
        says,
    }
}
