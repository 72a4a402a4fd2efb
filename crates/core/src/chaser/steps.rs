//! The steps a die's or a tap's thread is made in: what the run at the lathe goes by.

use super::ChaserSection;
use crate::blank::BlankSection;
use crate::job::Job;
use crate::making::Maker;
use crate::run::RunStage;
use crate::say;
use crate::voice::Voice;

/// Makes them.
pub(super) fn of(section: &ChaserSection, job: &Job, blank: &BlankSection, voice: Voice) -> Vec<RunStage> {
    let by = section.by.word();
    let mut list = Vec::new();
    let mut put = |code: &str, says: String| {
        let name = say!(voice, "chaser-step", code = code);
        list.push(RunStage { code: code.to_owned(), name, says });
    };
    let held = match (section.hold_the_work, voice.lathe.cranked) {
        (true, _) => "work",
        (false, true) => "crank",
        _ => "spindle",
    };
    let open = if job.making.split == Some(false) { "no" } else { "yes" };
    let to = &blank.mark.from_face_mm.text;
    let power = section.power.speed_rpm.as_ref().zip(section.power.runs_on_mm.as_ref()).filter(|_| section.power.chosen && section.power.serves);
    let under_power = power.map(|(rpm, on)| say!(voice, "chaser-run-power", rpm = &rpm.text, on = &on.text));
    match section.by {
        Maker::Tap => {
            let run: Vec<_> = section.hole.iter().flat_map(|h| &h.taps).filter(|t| t.run).collect();
            let blind = if job.blank.shoulder { "yes" } else { "no" };
            put("start", say!(voice, "chaser-start-tap", held = held, tap = run.first().map_or("", |t| &t.says)));
            if let Some(says) = &under_power {
                put("power", says.clone());
            }
            for one in run {
                let tap = &one.says;
                let says = if one.last {
                    say!(voice, "chaser-run-tap", tap = tap, to = to, blind = blind)
                } else {
                    say!(voice, "chaser-run-tap-before", tap = tap, blind = blind)
                };
                put(one.lead.word(), says);
            }
        }
        _ => {
            put("start", say!(voice, "chaser-start-die", held = held, open = open));
            if let Some(says) = &under_power {
                put("power", says.clone());
            }
            put("run", say!(voice, "chaser-run-die", to = to, shoulder = if job.blank.shoulder { "yes" } else { "no" }));
            if job.making.turned_round {
                put("round", say!(voice, "chaser-round"));
            }
        }
    }
    put("off", say!(voice, "chaser-off", by = by));
    list
}
