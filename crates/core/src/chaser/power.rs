//! Whether the spindle's power may turn a die or tap, and how far.

use super::rules;
use crate::direction::Hand;
use crate::job::{Chuck, Ending, Job, Lathe};
use crate::say;
use crate::setup::Stop;
use crate::thread::form::Thread;
use crate::watch::{Code, Level, Watch};
use crate::working::{Quantity, Worksheet};
use serde::Serialize;

/// Surface speed a die or tap stands, most, m/min: from two to four by practice.
const SURFACE: f64 = 4.0;
/// Share of the thread the spindle may run on over, and no more: past it there is nothing left for power to do. House value.
const RUNS_ON_SHARE: f64 = 0.5;

/// Under power.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct UnderPower {
    /// Whether it is asked for.
    pub chosen: bool,
    /// Whether it can be done here.
    pub serves: bool,
    /// Whether it comes off in reverse; else by hand.
    pub reverses_off: bool,
    /// The spindle's speed; absent where it is only cranked.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub speed_rpm: Option<Quantity>,
    /// How far the thread runs on after it is seen and the spindle stopped.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub runs_on_mm: Option<Quantity>,
    /// What stands against it, or how it is done.
    pub says: String,
}

/// Judges it.
pub(super) fn reckon(sheet: &mut Worksheet, job: &Job, lathe: &Lathe, th: &Thread, watch: &mut Vec<Watch>) -> UnderPower {
    let voice = sheet.voice();
    let chosen = job.making.power;
    let left = th.spec.hand == Hand::Left;
    let screwed = lathe.chuck == Chuck::Screwed;
    let no = |says: String| UnderPower { chosen, serves: false, reverses_off: false, speed_rpm: None, runs_on_mm: None, says };
    let found = if lathe.cranked() {
        no(say!(voice, "power-cranked"))
    } else {
        let d = th.major;
        let rpm = lathe.speeds.under(SURFACE * 1000.0 / (std::f64::consts::PI * d.value));
        let surface = sheet.apply(&rules::SURFACE, [d, rpm.into()]);
        // It follows its own lead till the spindle stands, as a carriage does whose half-nut stays closed.
        let on = Stop::of(lathe, Ending::Closed, job.setup.reaction_s, th.lead).distance(sheet, rpm);
        let text = voice.least(on.value);
        let reverses_off = lathe.reverses && !screwed;
        let says = if left && screwed {
            Err(say!(voice, "power-left-screwed"))
        } else if surface.value > SURFACE * (1.0 + 1e-9) {
            Err(say!(voice, "power-too-fast", speed = voice.speed(surface.value), most = voice.speed(SURFACE), rpm = Quantity::plain(rpm, 0, "").text))
        } else if on.value > RUNS_ON_SHARE * th.length {
            Err(say!(voice, "power-runs-on", on = &text, length = voice.along(th.length)))
        } else {
            let off = if reverses_off { "reverse" } else { "hand" };
            Ok(say!(voice, "power-serves", rpm = Quantity::plain(rpm, 0, "").text, on = &text, off = off))
        };
        UnderPower {
            chosen,
            serves: says.is_ok(),
            reverses_off,
            speed_rpm: Some(Quantity::plain(rpm, 0, " rpm")),
            runs_on_mm: Some(Quantity::least(voice, on)),
            says: says.unwrap_or_else(|why| why),
        }
    };
    if chosen && !found.serves {
        watch.push(Watch::new(Level::Danger, Code::PowerChaser, "setup", found.says.clone()));
    }
    found
}
