//! Blank: what to turn or bore first, and how deep and wide the relief must be.

mod drawing;
mod ending;
mod holding;
pub mod rules;

pub use ending::{EndKind, EndingSaid};
pub use holding::{Slenderness, Support};

use crate::bit::Tip;
use crate::job::{Assumption, BlankFacts, Kit};
use crate::outline::Drawing;
use crate::quantity::{inch_text, mm_text, plain_text};
use crate::thread::section::Thread;
use crate::thread::{Side, rules as thread_rules};
use crate::watch::{Level, Watch};
use crate::working::{Num, Quantity, Sheet};
use ending::{Ground, endings};
use holding::slenderness;
use serde::{Deserialize, Serialize};

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
    /// Why the relief there is does not serve; empty when it does.
    #[serde(skip_serializing_if = "Vec::is_empty")]
    pub refused: Vec<String>,
    /// What to do about it.
    pub says: String,
}

/// Plain plugs for the bore.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Plug {
    /// It must enter: the least bore.
    pub go_mm: Quantity,
    /// It must not: the largest bore.
    pub not_go_mm: Quantity,
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
    /// Plain plugs to turn for the bore where nothing measures it: one that enters, one that does not.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub plug: Option<Plug>,
    /// How the thread may end, side by side.
    pub endings: Vec<EndingSaid>,
    /// How slender a screw is, and what that asks for.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub slenderness: Option<Slenderness>,
    /// Chamfer to this diameter.
    pub chamfer_mm: Quantity,
    /// What to turn, in one sentence in mm.
    pub says: String,
    /// The blank to scale.
    pub drawing: Drawing,
}

/// Where in its limits a blank or bore is aimed.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum BlankAim {
    /// A quarter of the way up: soft stock raises its crests.
    Low,
    /// The middle.
    Middle,
    /// A quarter of the way down.
    High,
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
    let mut aim = match facts.aim {
        BlankAim::Middle => sheet.work(&thread_rules::MIDDLE, [min, max]),
        BlankAim::Low => sheet.work(&rules::QUARTER_IN, [min, max]),
        BlankAim::High => sheet.work(&rules::QUARTER_IN, [max, min]),
    };
    let full = if thread.spec.system.is_sixty() {
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
    if facts.die_finish && side == Side::External {
        aim = sheet.work(&rules::DIE_BLANK, [thread.major, thread.pitch]);
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
    let followed = facts.end.unwrap_or(EndKind::usual(facts.shoulder));
    let groove = groove(sheet, facts, thread, tip, used, &ending);
    let endings = endings(
        thread,
        facts.shoulder,
        followed,
        &Ground {
            relief: groove.width.value,
            cut: 2.0 * groove.half.value,
            stopping: if let End::StopsIn(room) = ending { room.value } else { 0.0 },
            depth: (used.value - groove.diameter.value).abs() / 2.0,
        },
    );
    let into_a_groove = matches!(followed, EndKind::Relief | EndKind::PlungedRing) && (facts.shoulder || facts.end.is_some());
    let relief = (into_a_groove || facts.relief_width_mm.is_some()).then(|| relief(facts, thread, &groove, &ending, watch));
    let slenderness = slenderness(sheet, facts, thread, used, watch);
    if side == Side::Internal && facts.shoulder && thread.basic.minor.value < UNSEEN_BORE_MM {
        let text = "A blind bore cannot be seen into or measured: cut a test piece first, turn the plain plugs for the bore, and keep the mate at hand.";
        watch.push(Watch::new(Level::Note, "test_piece", "blank", text.into()));
    }
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
        plug: (side == Side::Internal).then(|| Plug { go_mm: Quantity::length(min), not_go_mm: Quantity::length(max) }),
        endings,
        slenderness,
        chamfer_mm: Quantity::length(chamfer),
        says: format!("{verb} to {} ({} to {}).", mm_text(aim.value), plain_text(min.value, 3), plain_text(max.value, 3)),
        drawing,
    };
    (used, section)
}

/// Bores under this are blind to eye and instrument alike, mm. House value.
const UNSEEN_BORE_MM: f64 = 50.0;

/// The groove a relief needs: below the deepest the tip goes, and wide enough to stop or start in.
struct Groove {
    diameter: Num,
    half: Num,
    width: Num,
}

fn groove(sheet: &mut Sheet, facts: &BlankFacts, thread: &Thread, tip: &Tip, used: Num, ending: &End) -> Groove {
    let external = thread.spec.side == Side::External;
    // The limit, or a target chosen past it: the tip goes to whichever is deeper.
    let (low, high) = thread.own.pitch;
    let diameter = if external {
        let deepest = facts.target_mm.filter(|t| *t < low.value).map_or(low, Num::from);
        sheet.work(&rules::RELIEF_EXTERNAL, [deepest, tip.h, RELIEF_CLEARANCE_MM.into()])
    } else {
        let deepest = facts.target_mm.filter(|t| *t > high.value).map_or(high, Num::from);
        sheet.work(&rules::RELIEF_INTERNAL, [deepest, tip.h, RELIEF_CLEARANCE_MM.into()])
    };
    let deepest = (used.value - diameter.value).abs() / 2.0 - RELIEF_CLEARANCE_MM / 2.0;
    let half = sheet.work(&rules::HALF_CUT, [tip.equal_flat, deepest.max(0.0).into(), thread.alpha_deg.into()]);
    let ground = Some("point ground at the leading edge of the bit".into());
    let width = match ending {
        End::StopsIn(distance) => sheet.work_assuming(&rules::RELIEF_WIDTH, [half, *distance, thread.pitch], ground),
        End::StartsIn => sheet.work_assuming(&rules::RELIEF_START, [half, BACKLASH_MM.into(), thread.pitch], ground),
    };
    Groove { diameter, half, width }
}

/// The relief, and whether the one there is serves: one that does not is refused, with the reason.
fn relief(facts: &BlankFacts, thread: &Thread, groove: &Groove, ending: &End, watch: &mut Vec<Watch>) -> Relief {
    let external = thread.spec.side == Side::External;
    let (diameter, width) = (groove.diameter, groove.width);
    let (what, cure) = match ending {
        End::StopsIn(_) => ("stop", "run slower, or cut away from the shoulder"),
        End::StartsIn => ("start", "or cut toward the shoulder"),
    };
    let mut refused = Vec::new();
    if let Some(there) = facts.relief_width_mm.filter(|w| *w < width.value - 1e-6) {
        let text = format!("The relief is {} wide where {} is needed to {what} in: widen it, {cure}.", mm_text(there), mm_text(width.value));
        watch.push(Watch::new(Level::Danger, "relief_narrow", "blank", text.clone()));
        refused.push(text);
    }
    let shallow = facts.relief_diameter_mm.filter(|d| if external { *d > diameter.value + 1e-6 } else { *d < diameter.value - 1e-6 });
    if let Some(there) = shallow {
        let text = format!(
            "The relief is {} where this tip needs {}: as it is, every pass ends by digging in. Turn it deeper, or grind a wider tip.",
            mm_text(there),
            mm_text(diameter.value)
        );
        watch.push(Watch::new(Level::Danger, "relief_shallow", "blank", text.clone()));
        refused.push(text);
    }
    Relief {
        diameter_mm: Quantity::length(diameter),
        width_mm: Quantity::length(width),
        refused,
        says: "Leave a radius in its corners: a sharp one starts cracks.".into(),
    }
}
