//! The grinding sheet: the order of faces and how each is set, for the way the bit is held to the wheel.

use super::BitSection;
use crate::job::Grinder;
use crate::quantity::degrees_text;
use crate::say;
use crate::thread::ThreadSection;
use crate::voice::Voice;

/// Gaps commonly left at a wheel, in the metric and the inch habit: under the spark guard, and at the rest, mm.
const SPARK_GUARD_MM: [f64; 2] = [6.0, 6.35];
const REST_MM: [f64; 2] = [3.0, 3.175];

/// The steps for this bit.
pub(super) fn steps(thread: &ThreadSection, bit: &BitSection, voice: Voice) -> Vec<String> {
    let BitSection { grind, grinder: how, .. } = bit;
    let flanks = thread.flanks();
    let [leading, trailing] = &grind.sides;
    let mut list = vec![
        say!(
            voice,
            "bit-steps-wheel",
            guard = voice.nominal(SPARK_GUARD_MM[usize::from(voice.inches())]),
            rest = voice.nominal(REST_MM[usize::from(voice.inches())])
        ),
        say!(voice, "bit-steps-first"),
    ];
    let mut flank = |side: &super::grind::SideGrind, deg: f64| {
        let half = degrees_text(deg);
        let (way, tip) = match *how {
            Grinder::Freehand => ("freehand", &side.front_deg.text),
            Grinder::Rest => ("rest", &side.rest_deg.text),
            Grinder::TiltedRest => ("tilted", &side.rest_deg.text),
            Grinder::CutterGrinder => ("cutter", &side.rest_deg.text),
        };
        list.push(say!(voice, "bit-steps-side", side = side.side, held = side.held, way = way, half = &half, tip = tip));
    };
    flank(leading, flanks.leading);
    flank(trailing, flanks.trailing);
    list.push(say!(voice, "bit-steps-gauge"));
    let tip = if thread.form.family().end_face() {
        say!(voice, "bit-steps-end", relief = &grind.nose_deg.text)
    } else if bit.radius_mm.is_some() {
        say!(voice, "bit-steps-stone-radius")
    } else {
        say!(voice, "bit-steps-stone-flat")
    };
    list.push(tip);
    list.push(if grind.raked_deg.is_some() { say!(voice, "bit-steps-top-raked") } else { say!(voice, "bit-steps-top") });
    list.push(say!(voice, "bit-steps-burr"));
    list.push(say!(voice, "bit-steps-mark", angle = degrees_text(thread.included_angle_deg), pitch = &thread.pitch_text));
    list
}
