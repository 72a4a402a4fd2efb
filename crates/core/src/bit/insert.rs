//! A threading insert by what is written on its box, and whether it will do here.

use super::grind::LEAST_DEG;
use crate::bit::judged::{Findings, Inputs, OTHER_ANGLE_DEG, Room};
use crate::direction::Hand;
use crate::job::OwnedInsert;
use crate::quantity::degrees_text;
use crate::say;
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
        judged.against.push(say!(voice, "bit-insert-other-angle", angle = degrees_text(one.included_angle_deg), thread = degrees_text(angle)));
        return judged;
    }
    // A box prints a pitch to three places at best.
    if pitch < one.pitch_from_mm - 6e-4 || pitch > one.pitch_to_mm + 6e-4 {
        let (from, this) = (voice.pitch(one.pitch_from_mm), thread.spec.pitch_text());
        judged.against.push(if one.full_profile || one.pitch_from_mm == one.pitch_to_mm {
            say!(voice, "bit-insert-one-pitch", from = from, this = this)
        } else {
            say!(voice, "bit-insert-pitches", from = from, to = voice.pitch(one.pitch_to_mm), this = this)
        });
    }
    if one.full_profile {
        judged.says.push(say!(voice, "bit-insert-forms-crest"));
    } else {
        tip(one, thread.flanks, flats, &mut judged, voice);
    }
    let wants = thread.lead_angle_pitch.value * if thread.spec.hand == Hand::Right { 1.0 } else { -1.0 };
    let own = one.clearance_deg.unwrap_or(CLEARANCE_DEG);
    let off = wants - one.seat_tilt_deg;
    let left = own - off.abs();
    let [leans, seat, left_text] = [wants, one.seat_tilt_deg, left].map(|deg| voice.angle(deg));
    let told = if one.clearance_deg.is_some() { "yes" } else { "no" };
    if left < LEAST_DEG {
        judged.against.push(say!(voice, "bit-insert-seat-wanted", leans = leans, seat = seat, left = left_text, told = told));
    } else {
        judged.says.push(say!(voice, "bit-insert-seat", leans = leans, seat = seat, left = left_text, told = told));
    }
    if let Some(room) = room {
        if let Some(bore) = one.smallest_bore_mm.filter(|b| *b > room.bore.value) {
            judged.against.push(say!(voice, "bit-insert-bore", wants = voice.length(bore), bore = voice.length(room.bore.value)));
        }
        if let Some(own) = one.reach_mm.filter(|r| *r < room.reach.value) {
            judged.against.push(say!(voice, "bit-insert-reaches", own = voice.length(own), need = voice.length(room.reach.value)));
        }
    }
    if let Some(lowest) = one.lowest_m_per_min.filter(|l| *l > speed) {
        judged.says.push(say!(voice, "bit-insert-speed", goes = voice.speed(speed), wants = voice.speed(lowest)));
    }
    judged.says.push(if reverses { say!(voice, "bit-insert-reversing") } else { say!(voice, "bit-insert-never-back") });
    judged
}

/// The tip of a partial profile: a radius reaching as deep as the flats the form allows.
fn tip(one: &OwnedInsert, flanks: Flanks, [least, most]: [f64; 2], judged: &mut Findings, voice: Voice) {
    let (low, high) = (radius_of_flat(least, flanks), radius_of_flat(most, flanks));
    let radius = voice.given(one.tip_radius_mm);
    if one.tip_radius_mm > high + 5e-4 {
        judged.against.push(say!(voice, "bit-insert-tip-over", radius = radius, most = voice.length(high)));
    } else if one.tip_radius_mm < low - 5e-4 {
        judged.says.push(say!(voice, "bit-insert-tip-under", radius = radius, least = voice.length(low)));
    } else {
        judged.says.push(say!(voice, "bit-insert-tip-suits", radius = radius));
    }
}
