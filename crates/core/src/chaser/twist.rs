//! The torque a die or tap takes, and what must bear it: hands, jaws.

use super::rules;
use crate::bit::Tip;
use crate::cut::rules::PRESSURE;
use crate::job::Job;
use crate::say;
use crate::thread::Side;
use crate::thread::form::Thread;
use crate::voice::Voice;
use crate::watch::{Code, Level, Watch};
use crate::working::{Num, Quantity, Worksheet};
use serde::Serialize;

/// Teeth that share the groove: four lands with two and a half pitches of lead. House value.
const TEETH: f64 = 10.0;
/// What wear multiplies the torque by.
const WORN_TIMES: f64 = 2.0;
/// Most each of two hands is asked to give, N. House value.
const HAND_N: f64 = 200.0;
/// A stock or a wrench not told, from hand to hand: times the diameter, and between these, mm. House values.
const HANDLE_TIMES: f64 = 25.0;
const HANDLE_MM: [f64; 2] = [150.0, 800.0];

/// What it takes to turn it.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Twist {
    /// Torque, N·m.
    pub torque_nm: Quantity,
    /// Force of each of two hands, N.
    pub each_hand_n: Quantity,
    /// From hand to hand, mm: as told, or taken.
    pub handle_mm: Quantity,
    /// Whether that was told.
    pub handle_told: bool,
    /// Force each of three jaws must hold it with, N.
    pub each_jaw_n: Quantity,
    /// Whether hands turn it.
    pub by_hand: bool,
    /// Whether the jaws hold it; absent where their force was not told.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub held: Option<bool>,
    /// In one sentence.
    pub says: String,
}

/// A force as it is shown.
fn newtons(n: Num, voice: Voice) -> Quantity {
    Quantity { text: voice.force(n.value), ..Quantity::plain(n, 0, " N") }
}

/// Works it: `hole` is the bore before a tap, and the blank before a die.
pub(super) fn reckon(sheet: &mut Worksheet, job: &Job, (th, tip, target, hole): (&Thread, &Tip, Num, Num), worn: bool, watch: &mut Vec<Watch>) -> Twist {
    let voice = sheet.voice();
    let internal = th.spec.side == Side::Internal;
    let deep = if internal { sheet.apply(&rules::DEPTH_NUT, [target, hole, tip.h]) } else { sheet.apply(&rules::DEPTH_SCREW, [th.major, target, tip.h]) };
    let section = sheet.apply(&rules::SECTION, [deep, tip.equal_flat, th.alpha_deg.into()]);
    let edge = sheet.apply(&rules::CHIP_EDGE, [section, deep, TEETH.into()]);
    let pressure = sheet.apply(&PRESSURE, [job.blank.material.kc1_n_mm2.into(), section, edge]);
    let times = if worn { WORN_TIMES } else { 1.0 };
    let torque = sheet.apply(&rules::TWIST, [pressure, section, target, times.into()]);
    let handle = job.making.handle_mm.unwrap_or_else(|| (HANDLE_TIMES * th.major.value).clamp(HANDLE_MM[0], HANDLE_MM[1]).round());
    let each = sheet.apply(&rules::EACH_HAND, [torque, handle.into()]);
    let held_by = if internal { job.blank.outside_mm.map_or(th.major, Num::from) } else { hole };
    let jaw = sheet.apply(&rules::EACH_JAW, [torque, held_by]);
    let by_hand = each.value <= HAND_N;
    let held = job.blank.jaw_force_n.map(|force| force >= jaw.value);
    let (text, hand, grip) = (voice.torque(torque.value), voice.force(each.value), voice.force(jaw.value));
    if !by_hand {
        let says = say!(voice, "chaser-heavy", torque = &text, hand = &hand, handle = voice.about(handle), by = job.making.by.word());
        watch.push(Watch::new(Level::Warn, Code::Twist, "setup", says));
    }
    if held == Some(false) {
        let says = say!(voice, "chaser-slips", torque = &text, needs = &grip, force = voice.force(job.blank.jaw_force_n.unwrap_or(0.0)));
        watch.push(Watch::new(Level::Warn, Code::Twist, "setup", says));
    }
    let worn = if worn { "yes" } else { "no" };
    Twist {
        torque_nm: Quantity { text: text.clone(), ..Quantity::plain(torque, 0, " N·m") },
        each_hand_n: newtons(each, voice),
        handle_mm: Quantity::about(voice, handle),
        handle_told: job.making.handle_mm.is_some(),
        each_jaw_n: newtons(jaw, voice),
        by_hand,
        held,
        says: say!(voice, "chaser-torque", torque = text, hand = hand, handle = voice.about(handle), grip = grip, worn = worn),
    }
}
