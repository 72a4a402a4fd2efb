//! The internal bar: whether it goes in and comes out, reaches, and how far it bends.

use super::judged::Room;
use super::rules;
use crate::bit::judged::Findings;
use crate::job::OwnedBit;
use crate::quantity::plain_text;
use crate::say;
use crate::stiffness::BEND_FREE;
use crate::thread::form::Thread;
use crate::working::{Num, Quantity, Worksheet};

/// Room kept round a bar in its bore, mm on each side. House value.
pub(super) const ROOM_MM: f64 = 0.5;
/// Stick-out over diameter past which a steel bar, and a carbide one, asks for spring passes.
const SPRINGS_STEEL: f64 = 4.0;
const SPRINGS_CARBIDE: f64 = 6.0;
/// Stiffness of a steel bar and of a carbide one, GPa. Handbook values, rounded.
pub(crate) const STEEL_GPA: f64 = 205.0;
const CARBIDE_GPA: f64 = 600.0;
/// Primary relief past which a second one is ground behind it, degrees.
const SECOND_DEG: f64 = 20.0;

/// The room in a bore; `beyond` is the room past the thread, mm, and `before` what stands in front.
pub(super) fn room(sheet: &mut Worksheet, thread: &Thread, beyond: f64, before: f64) -> Room {
    let voice = sheet.voice();
    let bore = thread.own.minor.0.unwrap_or(thread.basic.minor);
    let span = sheet.apply_assuming(&rules::BAR_SPAN, [bore, ROOM_MM.into()], Some(say!(voice, "bit-bar-kept", room = voice.about(ROOM_MM))));
    let reach = sheet.apply(&rules::BAR_REACH, [thread.length.into(), beyond.into(), before.into()]);
    Room { bore, span, reach }
}

/// Judges a bar in the bore.
pub(super) fn judge(sheet: &mut Worksheet, bar: &OwnedBit, carbide: bool, room: &Room, (clearance, force): (f64, Option<Num>)) -> Findings {
    let voice = sheet.voice();
    let Room { bore, span, reach } = *room;
    let mut judged = Findings::default();
    if let Some(own) = bar.tip_to_back_mm.filter(|s| *s > span.value) {
        judged.against.push(say!(voice, "bit-bar-spans", own = voice.about(own), span = voice.about(span.value)));
    }
    if let Some(own) = bar.reach_mm.filter(|r| *r < reach.value) {
        judged.against.push(say!(voice, "bit-bar-reaches", own = voice.about(own), need = voice.least(reach.value)));
    }
    let Some(d) = bar.bar_diameter_mm else { return judged };
    let ratio = reach.value / d;
    let most = if carbide { SPRINGS_CARBIDE } else { SPRINGS_STEEL };
    let times = plain_text(ratio, 1);
    judged.says.push(if ratio > most { say!(voice, "bit-bar-springs", times = &times) } else { say!(voice, "bit-bar-stands-out", times = &times) });
    let modulus = 1000.0 * if carbide { CARBIDE_GPA } else { STEEL_GPA };
    // Half of the last cut's force is radial.
    judged.bends_mm = force.map(|n| Quantity::length(voice, sheet.apply(&BEND_FREE, [(n.value / 2.0).into(), reach, modulus.into(), d.into()])));
    if let Some(heel) = heel(sheet, bore, d / 2.0, clearance) {
        judged.says.push(if heel.value > SECOND_DEG {
            say!(voice, "bit-bar-heel", relief = voice.eye(heel.value))
        } else {
            say!(voice, "bit-bar-heel-clears", relief = voice.eye(heel.value))
        });
        judged.heel_deg = Some(Quantity::by_eye(heel));
    }
    judged.says.push(say!(voice, "bit-bar-level"));
    judged
}

/// Relief under the edge of a tool that stands `under` deep in a bore, so that its heel clears; none where it is as deep as
/// the bore.
pub(super) fn heel(sheet: &mut Worksheet, bore: Num, under: f64, clearance: f64) -> Option<Num> {
    let radius = bore.value / 2.0;
    (under < 0.95 * radius).then(|| {
        let falls = sheet.apply(&rules::BORE_FALLS, [radius.into(), under.into()]);
        sheet.apply(&rules::HEEL, [falls, under.into(), clearance.into()])
    })
}
