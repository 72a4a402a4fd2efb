//! A threading insert by what is written on its box, and whether it will do here.

use super::grind::LEAST_DEG;
use crate::bit::judged::{Findings, Inputs, OTHER_ANGLE_DEG, Room};
use crate::direction::Hand;
use crate::job::OwnedInsert;
use crate::quantity::degrees_text;
use crate::thread::{Flanks, radius_of_flat};
use crate::voice::Voice;

/// Clearance an insert has on each flank when its box does not say, degrees. House value.
const CLEARANCE_DEG: f64 = 5.0;

/// Judges an insert for this thread.
///
/// Its seat tilts it along a helix; what the thread's lead angle differs from that is lost from the clearance of one flank and
/// gained on the other. Turning the tool over or the carriage about does not turn a helix, so the hand of the thread alone says
/// which way it leans.
pub(super) fn judge(one: &OwnedInsert, before: &Inputs<'_>, room: Option<&Room>, voice: Voice) -> Findings {
    let Inputs { thread, flats, speed, reverses, .. } = *before;
    let mut judged = Findings::default();
    let angle = thread.flanks.included_deg();
    let pitch = thread.pitch.value;
    if (one.included_angle_deg - angle).abs() >= OTHER_ANGLE_DEG {
        judged.against.push(format!("It is a {}° insert and the thread is {}°.", degrees_text(one.included_angle_deg), degrees_text(angle)));
        return judged;
    }
    // A box prints a pitch to three places at best.
    if pitch < one.pitch_from_mm - 6e-4 || pitch > one.pitch_to_mm + 6e-4 {
        let range = if one.full_profile || one.pitch_from_mm == one.pitch_to_mm {
            format!("{} alone", voice.pitch(one.pitch_from_mm))
        } else {
            format!("{} to {}", voice.pitch(one.pitch_from_mm), voice.pitch(one.pitch_to_mm))
        };
        judged.against.push(format!("It is made for a pitch of {range}, and this is {}.", thread.spec.pitch_text()));
    }
    if one.full_profile {
        judged.says.push("It forms the crest too: leave the blank a little over size for it to trim, and use it for this pitch alone.".into());
    } else {
        tip(one, thread.flanks, flats, &mut judged, voice);
    }
    let wants = thread.lead_angle_pitch.value * if thread.spec.hand == Hand::Right { 1.0 } else { -1.0 };
    let own = one.clearance_deg.unwrap_or(CLEARANCE_DEG);
    let off = wants - one.seat_tilt_deg;
    let left = own - off.abs();
    let seat = format!("The thread leans {} and its seat {}", voice.angle(wants), voice.angle(one.seat_tilt_deg));
    let whose = if one.clearance_deg.is_some() { "" } else { ", taking 5° for its own" };
    if left < LEAST_DEG {
        judged.against.push(format!(
            "{seat}: {} of clearance is left on one flank{whose}. Another seat is wanted, near {}.",
            voice.angle(left),
            voice.angle(wants)
        ));
    } else {
        judged.says.push(format!("{seat}: {} of clearance is left on the tighter flank{whose}.", voice.angle(left)));
    }
    if let Some(room) = room {
        if let Some(bore) = one.smallest_bore_mm.filter(|b| *b > room.bore.value) {
            judged.against.push(format!("Its bar wants a bore of {} and this one is {}.", voice.length(bore), voice.length(room.bore.value)));
        }
        if let Some(own) = one.reach_mm.filter(|r| *r < room.reach.value) {
            judged.against.push(format!("Its bar reaches {} and {} is needed.", voice.length(own), voice.length(room.reach.value)));
        }
    }
    if let Some(lowest) = one.lowest_m_per_min.filter(|l| *l > speed) {
        judged.says.push(format!(
            "At this job's speed the surface goes {} and it wants {}: it may chip. A high-speed-steel {bit} is kinder at hand speeds.",
            voice.speed(speed),
            voice.speed(lowest),
            bit = voice.words().bit
        ));
    }
    let back = if reverses { "Passes here end by reversing: wind it clear first, for it" } else { "It" };
    judged.says.push(format!("{back} is never backed out in the cut: the edge tears off."));
    judged
}

/// The tip of a partial profile: a radius reaching as deep as the flats the form allows.
fn tip(one: &OwnedInsert, flanks: Flanks, [least, most]: [f64; 2], judged: &mut Findings, voice: Voice) {
    let (low, high) = (radius_of_flat(least, flanks), radius_of_flat(most, flanks));
    let says = format!("Its tip radius of {}", voice.given(one.tip_radius_mm));
    if one.tip_radius_mm > high + 5e-4 {
        judged.against.push(format!("{says} is over the {} that reaches full depth: the root would foul the mate.", voice.length(high)));
    } else if one.tip_radius_mm < low - 5e-4 {
        judged.says.push(format!("{says} is under {}: it goes deeper than the form, to a sharper root, as inserts for many pitches do.", voice.length(low)));
    } else {
        judged.says.push(format!("{says} suits this pitch."));
    }
}
