//! The bits, bars and inserts owned: which will do for this thread, and why the others will not.

use super::judged::{Findings, Inputs, OTHER_ANGLE_DEG, Room};
use super::{bar, insert};
use crate::job::{BitFacts, Condition, OwnedBit};
use crate::kit::SOFT;
use crate::quantity::degrees_text;
use crate::say;
use crate::thread::Side;
use crate::thread::form::Thread;
use crate::voice::Voice;
use crate::watch::{Code, Level, Watch};
use crate::working::{Quantity, Worksheet};
use serde::Serialize;

/// What kind of tool it is.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize)]
#[serde(rename_all = "lowercase")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum ToolKind {
    /// A bit, outside.
    Bit,
    /// A bar, in a bore.
    Bar,
    /// An insert in its holder.
    Insert,
}

/// A tool of the drawer, judged for this thread.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ToolView {
    /// What it is called.
    pub name: String,
    /// What it is.
    pub kind: ToolKind,
    /// Whether it will do.
    pub serves: bool,
    /// Whether it is of soft steel, to practise on, and is never picked.
    #[serde(skip_serializing_if = "std::ops::Not::not")]
    pub soft: bool,
    /// Whether it is the one picked for this job.
    pub picked: bool,
    /// What was found of it, weightiest first.
    pub says: Vec<String>,
    /// How far it bends under the last cut.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub bends_mm: Option<Quantity>,
    /// Relief under its edge so that the heel clears the bore.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub heel_deg: Option<Quantity>,
    /// Of a bar, its span tip to back and its thickness, mm.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub bar_mm: Option<[f64; 2]>,
}

/// The drawer held against this thread.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Drawer {
    /// In a bore, how far in the bit must reach: the thread, the room beyond it, and whatever stands in front.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub reach_mm: Option<Quantity>,
    /// In a bore, most a bar may span, tip to back.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub span_mm: Option<Quantity>,
    /// Tools of the right side, the one picked first, then those that serve.
    pub tools: Vec<ToolView>,
    /// What to do when none serves.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub otherwise: Option<String>,
}

/// Judges the drawer.
pub(super) fn reckon(sheet: &mut Worksheet, before: &Inputs<'_>, watch: &mut Vec<Watch>) -> Drawer {
    let voice = sheet.voice();
    let Inputs { facts, kit, thread, flats, clearance, beyond, .. } = *before;
    let side = thread.spec.side;
    let internal = side == Side::Internal;
    let room = internal.then(|| bar::room(sheet, thread, beyond, facts.reach_past_mm.unwrap_or(0.0)));
    let mut tools = Vec::new();
    for bit in kit.bits.iter().filter(|b| b.kind == side) {
        // What bends is the bar; a bit told with its bar is taken for one piece.
        let carbide = kit.bar_of(bit).map_or_else(|| bit.material.contains("carbide"), |bar| bar.carbide);
        let bit = &kit.fitted(bit);
        let mut judged = room.as_ref().map_or_else(Findings::default, |room| bar::judge(sheet, bit, carbide, room, (clearance, before.force)));
        point(bit, thread, flats, &mut judged, voice);
        if bit.material == SOFT {
            judged.against.insert(0, say!(voice, "bit-soft"));
        }
        worn(bit.condition, &mut judged, voice);
        let sizes = bit.tip_to_back_mm.zip(bit.bar_diameter_mm).map(|(span, d)| [span, d]);
        tools.push(ToolView {
            bar_mm: sizes,
            soft: bit.material == SOFT,
            ..said(&bit.name, if internal { ToolKind::Bar } else { ToolKind::Bit }, judged, facts)
        });
    }
    for one in kit.inserts.iter().filter(|i| i.kind == side) {
        let mut judged = insert::judge(one, before, room.as_ref(), voice);
        worn(one.condition, &mut judged, voice);
        tools.push(said(&one.name, ToolKind::Insert, judged, facts));
    }
    if let Some(name) = facts.owned.as_ref().filter(|name| !tools.iter().any(|t| t.name == **name)) {
        let elsewhere = kit.bits.iter().any(|b| b.name == *name) || kit.inserts.iter().any(|i| i.name == *name);
        watch.push(if elsewhere {
            let text = if internal { say!(voice, "bit-picked-cuts-outside", tool = name) } else { say!(voice, "bit-picked-cuts-inside", tool = name) };
            Watch::new(Level::Danger, Code::ToolUnfit, "bit", text)
        } else {
            Watch::new(Level::Warn, Code::ToolGone, "bit", say!(voice, "bit-picked-gone", name = &name))
        });
    }
    tools.sort_by_key(|t| (!t.picked, !t.serves));
    if let Some(unfit) = tools.iter().find(|t| t.picked && !t.serves) {
        let why = unfit.says.first().map_or("", String::as_str);
        watch.push(Watch::new(Level::Danger, Code::ToolUnfit, "bit", say!(voice, "bit-picked-unfit", tool = &unfit.name, why = why)));
    }
    let none = !tools.iter().any(|t| t.serves);
    if let Some(room) = room.filter(|_| none) {
        let angle = thread.flanks.included_deg();
        let of_angle = |t: &&ToolView| kit.bits.iter().any(|b| b.name == t.name && (b.included_angle_deg - angle).abs() < OTHER_ANGLE_DEG);
        let why = tools.iter().find(of_angle).and_then(|t| t.says.first()).cloned().unwrap_or_else(|| say!(voice, "bit-none-of-angle"));
        watch.push(Watch::new(Level::Warn, Code::BarUnfit, "bit", say!(voice, "bit-no-bar", why = why)));
        return Drawer {
            otherwise: Some(say!(voice, "bit-bar-wanted", span = voice.about(room.span.value), reach = voice.least(room.reach.value))),
            ..drawer(Some(room), tools, voice)
        };
    }
    let otherwise = none.then(|| say!(voice, "bit-none-grind", angle = degrees_text(thread.flanks.included_deg())));
    Drawer { otherwise, ..drawer(room, tools, voice) }
}

fn drawer(room: Option<Room>, tools: Vec<ToolView>, voice: Voice) -> Drawer {
    Drawer { reach_mm: room.map(|r| Quantity::least(voice, r.reach)), span_mm: room.map(|r| Quantity::about(voice, r.span)), tools, otherwise: None }
}

fn said(name: &str, kind: ToolKind, judged: Findings, facts: &BitFacts) -> ToolView {
    let serves = judged.against.is_empty();
    let mut says = judged.against;
    says.extend(judged.says);
    let picked = facts.owned.as_deref() == Some(name);
    ToolView { name: name.to_owned(), kind, serves, soft: false, picked, says, bends_mm: judged.bends_mm, heel_deg: judged.heel_deg, bar_mm: None }
}

/// Angle and tip of a bit against what the form allows.
fn point(bit: &OwnedBit, thread: &Thread, [least, most]: [f64; 2], judged: &mut Findings, voice: Voice) {
    let angle = thread.flanks.included_deg();
    if (bit.included_angle_deg - angle).abs() >= OTHER_ANGLE_DEG {
        judged.against.push(say!(voice, "bit-ground-other", angle = degrees_text(bit.included_angle_deg), thread = degrees_text(angle)));
        return;
    }
    if thread.alpha_deg <= 0.0 && bit.tip_flat_mm.is_some_and(|f| f > most + 5e-4) {
        judged.against.push(say!(voice, "bit-wider-than-groove", most = voice.coarse(most)));
    } else if let Some(flat) = bit.tip_flat_mm {
        let mm = |v: f64| voice.coarse(v);
        if flat > most + 5e-4 {
            judged.against.push(say!(voice, "bit-flat-over", flat = mm(flat), most = mm(most)));
        } else if flat < least - 5e-4 {
            judged.says.push(say!(voice, "bit-flat-under", flat = mm(flat), least = mm(least)));
        } else {
            judged.says.push(say!(voice, "bit-flat-within", flat = mm(flat), allowed = voice.coarsely_between(least, most)));
        }
    } else if let Some(radius) = bit.tip_radius_mm {
        judged.says.push(say!(voice, "bit-tip-round", radius = voice.given(radius)));
    } else {
        judged.says.push(say!(voice, "bit-tip-unmeasured"));
    }
}

fn worn(condition: Condition, judged: &mut Findings, voice: Voice) {
    match condition {
        Condition::Sharp => {}
        Condition::Worn => judged.says.push(say!(voice, "bit-worn")),
        Condition::Broken => judged.against.insert(0, say!(voice, "bit-broken")),
        Condition::Lent => judged.against.insert(0, say!(voice, "bit-lent")),
    }
}
