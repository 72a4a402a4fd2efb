//! The plan of a thread made by a die or a tap: the thread, its blank or hole, the torque, the steps and the proof.

use super::frozen::{Sizes, chased_run};
use super::{Check, Desk, ENGINE, Plan, Proven, Sized, ToProve, check};
use crate::bit::{self, Tip};
use crate::blank::{self, BlankSection, ChaserEnd};
use crate::chaser;
use crate::direction::Carriage;
use crate::faults::Assumption;
use crate::job::{Holding, ReadBy, Support, pad};
use crate::say;
use crate::watch;
use crate::working::Num;

/// What is assumed of what a die or a tap does without.
const OF_THE_POINT: [&str; 4] = ["/bit/", "/gears/", "/cut/", "/setup/"];
/// What one turned by hand asks of a lathe, and what the spindle's power asks beside it.
const OF_THE_LATHE: [&str; 2] = ["/lathe/spindle/chuck", "/lathe/drive"];
const OF_ITS_POWER: [&str; 3] = ["/lathe/speeds_rpm", "/lathe/spindle/coast_turns", "/lathe/spindle/reverses"];

/// Whether this is taken of something that a thread so made goes without.
fn goes_without(pointer: &str, power: bool) -> bool {
    let asked = OF_THE_LATHE.iter().chain(OF_ITS_POWER.iter().filter(|_| power)).any(|of| pointer == *of);
    OF_THE_POINT.iter().any(|of| pointer.starts_with(of)) || pointer.starts_with("/lathe/") && !asked
}

impl Desk<'_> {
    pub(super) fn chased(mut self) -> Plan {
        let voice = self.sheet.voice();
        self.assumptions.retain(|a| !goes_without(&a.pointer, self.job.making.power));
        // Of a lathe nobody told only the chuck is taken.
        for none in self.assumptions.iter_mut().filter(|a| a.pointer == "/lathe") {
            none.text = say!(voice, "chaser-no-lathe");
        }
        let Sized { thread: th, section, fitted, target } = self.size(Carriage::TowardHeadstock);
        let (job, lathe, kit) = (self.job, self.lathe, self.kit);
        let tip = bit::of_the_form(&mut self.sheet, &th, target);
        let tried = fitted.as_ref().is_some_and(|(_, f)| f.follows());
        let sized = Sized { thread: th, section, fitted, target };
        let (blank, end) = self.blank(&sized, &tip, tried);
        let before = chaser::Inputs { job, lathe, kit, thread: &sized.thread, tip: &tip, target, blank: &blank, end };
        let chaser = chaser::reckon(&mut self.sheet, &before, &mut self.assumptions, &mut self.watch);
        let th = &sized.thread;
        let start = blank.used_mm.num();
        let ask = ToProve {
            measured: th,
            thread: th,
            target,
            ends_at: target,
            tip: &tip,
            start,
            blank: &blank,
            fitted: sized.fitted.as_ref(),
            // A die's and a tap's own lead and flanks are nobody's to reckon: nothing is taken of them.
            felt: (Num::from(0.0), Num::from(0.0)),
        };
        let Proven { gauge, pair, proof, wires, .. } = self.proven(&ask, &mut []);
        let run = chased_run(job, lathe, kit, &Sizes { thread: th, tip: &tip, start, target, wires }, &chaser, voice);
        watch::order(&mut self.watch);
        let pad = pad::section(&mut self.sheet, &job.pad);
        let mut plan = Plan {
            engine: ENGINE,
            thread: sized.section,
            pair,
            blank,
            gears: None,
            bit: None,
            setup: None,
            cut: None,
            chaser: Some(chaser),
            gauge,
            proof,
            check: Check::default(),
            pad,
            run,
            watch: self.watch,
            assumptions: self.assumptions,
            workings: self.sheet.finish(),
            voice,
        };
        plan.check = check::check(&plan, job, lathe);
        plan
    }

    /// The blank before a die, or the hole before a tap: as its drill cuts it, where one serves.
    fn blank(&mut self, sized: &Sized<'_>, tip: &Tip, tried: bool) -> (BlankSection, ChaserEnd) {
        let (job, kit, sheet, watch) = (self.job, self.kit, &mut self.sheet, &mut self.watch);
        let th = &sized.thread;
        let mut size = blank::size::reckon(sheet, &job.blank, th, &mut self.assumptions, watch);
        let end = chaser::ends(sheet, job, kit, th, &size);
        if let Some((drill, cuts)) = end.drill {
            size.used = cuts.into();
            let voice = sheet.voice();
            let text = say!(voice, "chaser-hole-taken", drill = blank::drill::marked(drill, voice), cuts = voice.length(cuts));
            self.assumptions.retain(|a| a.pointer != "/blank/diameter_mm");
            self.assumptions.push(Assumption { pointer: "/blank/diameter_mm".into(), text });
        }
        let before = blank::Inputs { kit, thread: th, tip, size, comes: blank::Comes::Chaser(end), tried };
        let mut section = blank::reckon(sheet, &job.blank, &before, watch);
        let wants = blank::at_hand::AtHandQuery {
            kit,
            facts: &job.blank,
            thread: th,
            held: section.held().map_or(Holding::ThreeJaw, |h| h.holding),
            used: section.used_mm.value,
            limits: [section.min_mm.value, section.max_mm.value],
            support: Support::None,
            blade: None,
            read_by: ReadBy::Dial,
            depth: 0.0,
        };
        section.at_hand = blank::at_hand::reckon(&wants, self.sheet.voice());
        (section, end)
    }
}
