//! The stock of a piece: as thick as its thickest place and a little to true, as long as all that is made of it, the blade and the grip.

use super::Member;
use super::along::{along, piece};
use super::line::{CardLine, number, words};
use crate::job::{Holding, PlainKind};
use crate::say;
use crate::thread::Side;
use crate::voice::Voice;
use crate::working::{Num, Quantity};

/// What a bright bar wants on the diameter to run true, mm; black bar wants two or three. House value.
pub(super) const TRUE_MM: f64 = 1.0;
/// What facing takes off an end, mm. House value.
pub(super) const FACING_MM: f64 = 1.0;
/// Width of a parting blade where none is in the drawer, mm. House value: the common one.
const BLADE_MM: f64 = 3.0;
/// What the jaws want of a bar where it was not told: three quarters of its diameter, and no less than this, mm. House values.
const GRIP_SHARE: f64 = 0.75;
const GRIP_MM: f64 = 15.0;

/// The thickest place of a piece, and what it is.
pub(super) struct Thickest {
    /// Diameter, mm.
    pub mm: f64,
    /// What is so thick, as it is said.
    pub what: String,
    /// Whether something thicker is there whose size nobody told: a shoulder, the wall round a bore.
    pub untold: bool,
}

/// The thickest place of the piece a member is on.
pub(super) fn thickest(member: &Member<'_>, members: &[Member<'_>], voice: Voice) -> Thickest {
    let mut places: Vec<(f64, String)> = Vec::new();
    let mut untold = false;
    for m in piece(member, members) {
        let (plan, blank) = (m.plan, &m.facts.blank);
        let own = plan.thread.name.clone();
        if plan.thread.side == Side::External {
            places.push((plan.blank.used_mm.value.max(plan.blank.max_mm.value), own));
        } else {
            places.push((plan.thread.major_mm.value, own));
            untold |= blank.outside_mm.is_none();
        }
        let shoulder = plan.thread.side == Side::External && blank.shoulder;
        untold |= shoulder && blank.shoulder_mm.is_none();
        places.extend(blank.shoulder_mm.filter(|_| shoulder).map(|mm| (mm, say!(voice, "stock-shoulder"))));
        places.extend(blank.outside_mm.map(|mm| (mm, say!(voice, "stock-outside"))));
        let outside = blank.plain.iter().filter(|p| p.kind.has_a_place() && p.kind != PlainKind::Bore);
        places.extend(outside.map(|p| (p.max_mm * p.kind.over_corners(), p.name.clone())));
    }
    // A plain outside larger than the thread is what stands past its shoulder.
    let of_threads = piece(member, members).map(|m| m.plan.thread.major_mm.value).fold(0.0, f64::max);
    let (mm, what) = places.into_iter().max_by(|a, b| a.0.total_cmp(&b.0)).unwrap_or_default();
    Thickest { mm, what, untold: untold && mm <= of_threads + 1e-6 }
}

/// What is cut off the bar.
pub(super) fn saw(member: &Member<'_>, members: &[Member<'_>], voice: Voice) -> Vec<CardLine> {
    let blank = &member.plan.blank;
    let thick = thickest(member, members, voice);
    let least = thick.mm + TRUE_MM;
    let mut parts = along(member, members, voice).made_up;
    parts.push((2.0 * FACING_MM, say!(voice, "stock-facing")));
    let held = blank.held().map_or(Holding::ThreeJaw, |h| h.holding);
    // One for an arbor is bored and parted off in a chuck before.
    if held != Holding::Centres {
        let blade = blank.parting_mm.unwrap_or(BLADE_MM);
        parts.push((blade, say!(voice, "stock-blade")));
        parts.push((member.facts.blank.grip_mm.unwrap_or_else(|| (GRIP_SHARE * least).max(GRIP_MM).ceil()), say!(voice, "stock-grip")));
    }
    let length: f64 = parts.iter().map(|p| p.0).sum();
    let sum = parts.iter().map(|(mm, what)| if *mm > 0.0 { format!("{} {what}", voice.given(*mm)) } else { what.clone() }).collect::<Vec<_>>().join(" + ");
    let bore = member.plan.thread.side == Side::Internal;
    let says = match (thick.untold, bore) {
        (true, true) => say!(voice, "card-stock-over"),
        (true, false) => say!(voice, "card-stock-shoulder"),
        _ => say!(voice, "card-stock-least"),
    };
    vec![
        number(says, &Quantity::least(voice, Num::from(least))),
        words(say!(voice, "line-of-thickest"), say!(voice, "card-thickest", what = thick.what, mm = voice.length(thick.mm), more = voice.given(TRUE_MM))),
        number(say!(voice, "line-of-length-to-saw"), &Quantity::least(voice, Num::from(length))),
        words(say!(voice, "line-of-made-up-of"), sum),
        words(say!(voice, "line-of-material"), member.facts.blank.material.name.clone()),
    ]
}
