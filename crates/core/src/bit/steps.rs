//! The grinding sheet: the order of faces and how each is set, for the way the bit is held to the wheel.

use super::BitSection;
use crate::job::Grinder;
use crate::quantity::degrees_text;
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
        format!(
            "Eyes covered; spark guard and rest close to the wheel, within its maker's limits (commonly {} and {} at most); stand aside while it comes up to speed. Dress the wheel flat.",
            voice.nominal(SPARK_GUARD_MM[usize::from(voice.inches())]),
            voice.nominal(REST_MM[usize::from(voice.inches())])
        ),
        voice.fill("A first {bit}? Grind one in soft square steel to learn the motion, and paint it so that it is never used."),
    ];
    let mut flank = |side: &super::grind::SideGrind, deg: f64| {
        let half = degrees_text(deg);
        let set = match *how {
            Grinder::Freehand => format!("swing it {half}° from square and drop the heel till the facet shows {} seen from the front", side.front_deg.text),
            Grinder::Rest => format!("on a level rest swing it {half}° from square, the tail dropped {}", side.rest_deg.text),
            Grinder::TiltedRest => format!("tilt the rest to {} and swing it {half}° along the protractor", side.rest_deg.text),
            Grinder::CutterGrinder => format!("{} swivelled {half}° and tipped {}", voice.words().vise, side.rest_deg.text),
        };
        list.push(format!("The {} side, on the {} with the {bit} face up and the point away from you: {set}. One clean facet, edge to heel; dip high-speed steel seldom, carbon steel often.", side.side, side.held, bit = voice.words().bit));
    };
    flank(leading, flanks.leading);
    flank(trailing, flanks.trailing);
    list.push("Check in the gauge against the light. Light at the tip: the angle is ground too wide; light at the heel: too narrow. Correct the side that shows it, turned a little the other way.".into());
    let tip = if thread.form.family().end_face() {
        format!("The end, square across, with {} under it, to the width wanted; measure that, do not guess it.", grind.nose_deg.text)
    } else if bit.radius_mm.is_some() {
        "Stone the point to the radius wanted, following the relief down; look at it through a glass against a radius gauge.".into()
    } else {
        "Stone the point flat to the width wanted, following the relief down; measure it under a glass: nine tenths of what it is wider goes off the infeed at 60°.".into()
    };
    list.push(tip);
    list.push(format!("The top face flat and level, {}; lap it last.", if grind.raked_deg.is_some() { "with the rake told" } else { "no rake" }));
    list.push("Stone the burr off each edge toward the face. Carbon steel drawn blue is spoilt; high-speed and cobalt steels are not.".into());
    list.push(format!("Mark it: {}° included, tip as measured, {}.", degrees_text(thread.included_angle_deg), thread.pitch_text));
    list
}
