//! Blank: what to turn or bore first, and how deep and wide the relief must be.

mod drawing;
pub mod rules;

use crate::bit::Tip;
use crate::job::{Assumption, BlankFacts, Kit};
use crate::outline::Drawing;
use crate::quantity::{inch_text, mm_text, plain_text};
use crate::thread::section::Thread;
use crate::thread::{Side, System, rules as thread_rules};
use crate::watch::{Level, Watch};
use crate::working::{Num, Quantity, Sheet};
use serde::Serialize;

/// Bore: its share of full thread and the drill before it.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Bore {
    /// Per cent of a full sharp thread this bore leaves.
    pub share_percent: Quantity,
    /// Nearest drill under it, owned, with half a millimetre left to bore true.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub drill_mm: Option<Quantity>,
    /// What is left to bore, on diameter.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub left_mm: Option<Quantity>,
}

/// Relief: where the tip runs out.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Relief {
    /// Diameter below (or beyond) the deepest the tip reaches.
    pub diameter_mm: Quantity,
    /// Least width.
    pub width_mm: Quantity,
    /// What to do about it.
    pub says: String,
}

/// The blank or bore.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct BlankSection {
    /// Lower limit.
    pub min_mm: Quantity,
    /// Upper limit.
    pub max_mm: Quantity,
    /// What to aim at.
    pub aim_mm: Quantity,
    /// What is taken for the cut: as turned, else the aim.
    pub used_mm: Quantity,
    /// Whether it was measured.
    pub measured: bool,
    /// For an internal thread.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub bore: Option<Bore>,
    /// The relief, when the thread ends at a shoulder.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub relief: Option<Relief>,
    /// Chamfer to this diameter.
    pub chamfer_mm: Quantity,
    /// What to turn, in one sentence in mm.
    pub says: String,
    /// The blank to scale.
    pub drawing: Drawing,
}

/// How the cut meets the relief.
#[derive(Debug, Clone, Copy)]
pub(crate) enum End {
    /// It runs into the relief and must stop there, in this distance.
    StopsIn(Num),
    /// It starts in the relief, as a left-hand thread or one cut away from the chuck does.
    StartsIn,
}

/// Backlash to take up before the carriage moves, mm. House value; a worn lathe has more.
const BACKLASH_MM: f64 = 0.5;

/// Clearance under the tip in the relief, on diameter, mm. House value.
const RELIEF_CLEARANCE_MM: f64 = 0.2;

/// Works the blank. `ending` says whether the cut stops in the relief or starts there. Returns the diameter
/// the cut starts from.
#[allow(clippy::too_many_arguments)] // one per thing the blank hangs on, in the order of reckoning
pub(crate) fn work(
    sheet: &mut Sheet,
    facts: &BlankFacts,
    kit: &Kit,
    thread: &Thread,
    tip: &Tip,
    ending: End,
    assumed: &mut Vec<Assumption>,
    watch: &mut Vec<Watch>,
) -> (Num, BlankSection) {
    let side = thread.spec.side;
    let crest = thread.own.crest(side);
    let (min, max) = (crest.0.unwrap_or(thread.major), crest.1.unwrap_or(thread.major));
    let mut aim = sheet.work(&thread_rules::MIDDLE, [min, max]);
    let full = if matches!(thread.spec.system, System::IsoMetric | System::Unified) {
        sheet.work(&rules::FULL_SIXTY, [thread.pitch])
    } else {
        sheet.work(&rules::FULL_BASIC, [thread.major, thread.basic.minor])
    };
    if let Some(share) = facts.engagement_percent {
        aim = sheet.work(&rules::BORE_OF_SHARE, [thread.major, share.into(), full]);
        if aim.value > max.value + 1e-9 || aim.value < min.value - 1e-9 {
            watch.push(Watch::new(
                Level::Warn,
                "bore_limits",
                "blank",
                format!(
                    "A bore for {} % is {}, outside the class's {} to {}.",
                    plain_text(share, 0),
                    mm_text(aim.value),
                    mm_text(min.value),
                    mm_text(max.value)
                ),
            ));
        }
    }
    let used = facts.diameter_mm.map_or(aim, Num::from);
    match facts.diameter_mm {
        None => assumed.push(Assumption {
            pointer: "/blank/diameter_mm".into(),
            text: format!("The {} was not measured: the aim, {}, is taken.", if side == Side::External { "blank" } else { "bore" }, mm_text(aim.value)),
        }),
        Some(d) if d > max.value + 5e-4 => {
            let text = match side {
                Side::External => format!(
                    "The blank is {} over its upper limit of {} ({}): turn it down before threading.",
                    mm_text(d - max.value),
                    mm_text(max.value),
                    inch_text(max.value)
                ),
                Side::Internal => format!("The bore is {} over its upper limit of {}: the crests will be thin.", mm_text(d - max.value), mm_text(max.value)),
            };
            watch.push(Watch::new(Level::Warn, "blank_size", "blank", text));
        }
        Some(d) if d < min.value - 5e-4 => {
            let text = match side {
                Side::External => format!("The blank is {} under its lower limit of {}: the crests will be thin.", mm_text(min.value - d), mm_text(min.value)),
                Side::Internal => {
                    format!("The bore is {} under its lower limit of {}: bore it out before threading.", mm_text(min.value - d), mm_text(min.value))
                }
            };
            watch.push(Watch::new(Level::Warn, "blank_size", "blank", text));
        }
        Some(_) => {}
    }
    let bore = (side == Side::Internal).then(|| {
        let share = sheet.work(&rules::SHARE_OF_BORE, [thread.major, used, full]);
        let drill = kit.drills_mm.iter().copied().filter(|d| *d <= used.value - 0.5).max_by(f64::total_cmp);
        Bore { share_percent: Quantity::plain(share, 1, " %"), drill_mm: drill.map(Quantity::length), left_mm: drill.map(|d| Quantity::length(used.value - d)) }
    });
    let relief = relief(sheet, facts, thread, tip, used, ending, watch);
    let chamfer = match side {
        Side::External => sheet.work(&rules::CHAMFER_EXTERNAL, [thread.own.minor.1.unwrap_or(used)]),
        Side::Internal => sheet.work(&rules::CHAMFER_INTERNAL, [thread.own.major.0.unwrap_or(thread.major)]),
    };
    let verb = if side == Side::External { "Turn" } else { "Bore" };
    let drawing = drawing::blank(
        thread,
        used.value,
        chamfer.value,
        relief.as_ref().map(|r| (r.diameter_mm.value, facts.relief_width_mm.unwrap_or(r.width_mm.value))),
        facts.shoulder,
    );
    let section = BlankSection {
        min_mm: Quantity::length(min),
        max_mm: Quantity::length(max),
        aim_mm: Quantity::length(aim),
        used_mm: Quantity::length(used),
        measured: facts.diameter_mm.is_some(),
        bore,
        relief,
        chamfer_mm: Quantity::length(chamfer),
        says: format!("{verb} to {} ({} to {}).", mm_text(aim.value), plain_text(min.value, 3), plain_text(max.value, 3)),
        drawing,
    };
    (used, section)
}

fn relief(sheet: &mut Sheet, facts: &BlankFacts, thread: &Thread, tip: &Tip, used: Num, ending: End, watch: &mut Vec<Watch>) -> Option<Relief> {
    if !facts.shoulder && facts.relief_width_mm.is_none() {
        return None;
    }
    let external = thread.spec.side == Side::External;
    let diameter = if external {
        sheet.work(&rules::RELIEF_EXTERNAL, [thread.own.pitch.0, tip.h, RELIEF_CLEARANCE_MM.into()])
    } else {
        sheet.work(&rules::RELIEF_INTERNAL, [thread.own.pitch.1, tip.h, RELIEF_CLEARANCE_MM.into()])
    };
    let deepest = (used.value - diameter.value).abs() / 2.0 - RELIEF_CLEARANCE_MM / 2.0;
    let half = sheet.work(&rules::HALF_CUT, [tip.equal_flat, deepest.max(0.0).into(), thread.alpha_deg.into()]);
    let ground = Some("point ground at the leading edge of the bit".into());
    let (width, what, cure) = match ending {
        End::StopsIn(distance) => {
            (sheet.work_assuming(&rules::RELIEF_WIDTH, [half, distance, thread.pitch], ground), "stop", "run slower, or cut away from the shoulder")
        }
        End::StartsIn => (sheet.work_assuming(&rules::RELIEF_START, [half, BACKLASH_MM.into(), thread.pitch], ground), "start", "or cut toward the shoulder"),
    };
    if facts.relief_width_mm.is_some_and(|w| w < width.value - 1e-6) {
        watch.push(Watch::new(
            Level::Warn,
            "relief_narrow",
            "blank",
            format!(
                "The relief is {} wide where {} is needed to {what} in: widen it, {cure}.",
                mm_text(facts.relief_width_mm.unwrap_or(0.0)),
                mm_text(width.value)
            ),
        ));
    }
    let shallow = facts.relief_diameter_mm.is_some_and(|d| if external { d > diameter.value + 1e-6 } else { d < diameter.value - 1e-6 });
    if shallow {
        watch.push(Watch::new(
            Level::Warn,
            "relief_shallow",
            "blank",
            format!("With this tip the relief must reach {}: as it is, every pass ends by digging in.", mm_text(diameter.value)),
        ));
    }
    Some(Relief {
        diameter_mm: Quantity::length(diameter),
        width_mm: Quantity::length(width),
        says: "Leave a radius in its corners: a sharp one starts cracks.".into(),
    })
}
