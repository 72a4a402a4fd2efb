//! The tool that turns the relief of the Blank station: a blade that clears the groove it makes.

use super::bar::{ROOM_MM, heel};
use super::rules;
use crate::kit::{BladeKind, Condition, Kit, OwnedBlade};
use crate::quantity::plain_text;
use crate::say;
use crate::thread::Side;
use crate::thread::form::Thread;
use crate::voice::Voice;
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
    /// The one of the drawer that serves, by name.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub owned: Option<String>,
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

/// What the drawer has for a groove.
pub(crate) struct Blade {
    /// The one that serves, by name.
    pub name: Option<String>,
    /// Which one, or why none and what to get.
    pub says: String,
}

/// Why a groover of the drawer does not serve, if it does not.
fn unfit(blade: &OwnedBlade, groove: &Groove, voice: Voice) -> Option<String> {
    let deep = (groove.bottom.value - groove.beside.value).abs() / 2.0;
    let mm = |v: f64| voice.given(v);
    match blade.condition {
        Condition::Broken => return Some(say!(voice, "bit-blade-broken")),
        Condition::Lent => return Some(say!(voice, "bit-lent")),
        Condition::Sharp | Condition::Worn => {}
    }
    if blade.width_mm > groove.width.value + 1e-6 {
        return Some(say!(voice, "bit-blade-wide", own = mm(blade.width_mm), most = voice.about(groove.width.value)));
    }
    if let Some(corner) = blade.corner_mm.filter(|c| *c > groove.corner + 1e-6) {
        return Some(say!(voice, "bit-blade-round", own = mm(corner), most = voice.about(voice.rule_under(groove.corner))));
    }
    if let Some(depth) = blade.depth_mm.filter(|d| *d < deep) {
        return Some(say!(voice, "bit-blade-short", own = mm(depth), need = voice.least(deep)));
    }
    let most = groove.beside.value - 2.0 * ROOM_MM;
    blade.tip_to_back_mm.filter(|span| *span > most).map(|span| say!(voice, "bit-bar-spans", own = mm(span), span = voice.about(most)))
}

/// The groover of the drawer that serves a groove, the widest first.
pub(crate) fn blade_for(kit: &Kit, groove: &Groove, side: Side, voice: Voice) -> Blade {
    let of_side = || kit.blades.iter().filter(|b| b.kind == side && b.use_for == BladeKind::Groover);
    let serves = of_side().filter(|b| unfit(b, groove, voice).is_none()).max_by(|a, b| a.width_mm.total_cmp(&b.width_mm));
    let wanted = voice.about(groove.width.value.min(WIDEST_MM));
    if let Some(blade) = serves {
        let times = (groove.width.value / blade.width_mm - 1e-6).ceil().max(1.0);
        let worn = if blade.condition == Condition::Worn { "yes" } else { "no" };
        let corner = if blade.corner_mm.is_some() { "yes" } else { "no" };
        let most = voice.about(voice.rule_under(groove.corner));
        let says = say!(voice, "bit-blade-serves", name = &blade.name, plunges = plain_text(times, 0), worn = worn, corner = corner, most = most);
        return Blade { name: Some(blade.name.clone()), says };
    }
    let off = |b: &OwnedBlade| (b.width_mm - groove.width.value).abs();
    let nearest = of_side().min_by(|a, b| off(a).total_cmp(&off(b)));
    let says = match nearest.and_then(|b| unfit(b, groove, voice).map(|why| (b, why))) {
        Some((blade, why)) => say!(voice, "bit-blade-none-serves", name = &blade.name, why = why, wanted = wanted),
        None => say!(voice, "bit-blade-none", wanted = wanted),
    };
    Blade { name: None, says }
}

/// Works the tool for a groove.
pub(crate) fn reckon(sheet: &mut Worksheet, thread: &Thread, (groove, blade): &(Groove, Blade), bar_radius: Option<f64>, clearance: f64) -> ReliefTool {
    let voice = sheet.voice();
    let internal = thread.spec.side == Side::Internal;
    let steps = (groove.width.value / WIDEST_MM).ceil().max(1.0);
    // Narrower than the groove where it is made in steps, so that the last takes a clean side.
    let width = if steps > 1.0 { Num::from(WIDEST_MM.min(groove.width.value)) } else { groove.width };
    let long = sheet.apply(&rules::BLADE, [groove.beside, groove.bottom, LONGER_MM.into()]);
    let back = sheet.apply(&rules::BLADE_BACK, [width, long, TAPER_DEG.into()]);
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
        let bar = sheet.apply(&rules::BLADE_BAR, [groove.beside, ROOM_MM.into(), long]);
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
        blade_mm: Quantity::about(voice, long),
        corner_mm: Quantity::about(voice, groove.corner.min(width.value / 4.0)),
        round_mm: round.map(|v| Quantity::length(voice, v)),
        end_deg: Quantity::by_eye(end),
        side_deg: Quantity::by_eye(SIDE_DEG),
        bar_mm: bar.map(|v| Quantity::length(voice, v)),
        owned: blade.name.clone(),
        says,
    }
}
