//! What went wrong, recognised from what happened: nobody tells it.

use crate::act::{Act, Slide};
use crate::groove::{Print, RUBS_MM, prints};
use crate::machine::{Machine, Tool, Wall, Work};
use crate::track::{Nut, Stretch, Track, What};
use yoke_ground::quantity::real;

/// What the hand was to do.
#[derive(Debug, Clone, Default, PartialEq)]
pub struct Meant {
    /// Where a pass is to end, the tip's place along the bed, mm.
    pub mark_mm: f64,
    /// Depths of the passes in their order, mm; empty where none were set.
    pub depths_mm: Vec<f64>,
    /// Whether the cross-slide comes back to nought before every pass, the compound carrying the depth.
    pub to_zero: bool,
}

/// A fault, with what tells how bad it was.
#[derive(Debug, Clone, Copy, PartialEq)]
pub enum Fault {
    /// The tool ran into something that stands there: how far, mm, and how fast it came, mm a second.
    Crash {
        /// Where it stands.
        wall_mm: f64,
        /// How far past it.
        past_mm: f64,
        /// How fast.
        rate_mm_s: f64,
    },
    /// A pass ended so much before its mark, mm.
    Short(f64),
    /// The half-nut fell so many pitches from where it belongs, the tool so far off its groove, mm.
    WrongMark(i64, f64),
    /// The tool went back with metal before it, so much of it, mm.
    ReversedIn(f64),
    /// It was fed in over metal, so deep, mm.
    FedOverMetal(f64),
    /// The groove was picked up, or a dial zeroed in it, so far from where the screw cuts, mm.
    OtherFlank(f64),
    /// The cross-slide did not stand at nought as a pass began, mm.
    NotAtZero(f64),
    /// A pass was set so much deeper than it should, a step twice, mm.
    DepthTwice(f64),
    /// A chuck screwed on was driven in reverse.
    ChuckUnscrews,
}

/// A fault and when it happened.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Seen {
    /// s.
    pub at_s: f64,
    /// What.
    pub fault: Fault,
}

/// One cut along the work: from where to where, and how deep.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Stroke {
    /// s.
    pub from_s: f64,
    /// s.
    pub until_s: f64,
    /// The tip's place as it began, mm.
    pub from_mm: f64,
    /// And as it ended.
    pub until_mm: f64,
    /// Greatest depth, mm.
    pub depth_mm: f64,
}

/// How far a dial may be off and be at nought, mm. House value: half a thousandth of an inch.
const AT_ZERO_MM: f64 = 0.0127;
/// A step so many times what was meant is two.
const TWICE: f64 = 1.5;
/// Share of the lead a pass may end before its mark and not be short. House value.
const SHORT: f64 = 0.25;

/// Where in a stretch a tool going back is looked at, as shares of it.
const LOOKED_AT: [f64; 5] = [0.1, 0.3, 0.5, 0.75, 1.0];

/// Everything faults are looked for in.
#[derive(Debug, Clone, Copy)]
pub struct Scene<'a> {
    /// The lathe.
    pub machine: &'a Machine,
    /// The metal.
    pub work: &'a Work,
    /// The tool.
    pub tool: &'a Tool,
    /// What happened.
    pub track: &'a Track,
}

impl Scene<'_> {
    /// The cuts: the tip under the crest and going the way a pass goes, within the work.
    #[must_use]
    pub fn strokes(&self) -> Vec<Stroke> {
        let ends = self.work.surfaces.iter().flat_map(|s| [s.from_mm, s.until_mm]);
        let (low, high) = ends.fold((f64::INFINITY, f64::NEG_INFINITY), |(a, b), v| (a.min(v), b.max(v)));
        let mut all: Vec<Stroke> = Vec::new();
        let mut goes_on = false;
        for stretch in &self.track.stretches {
            let (from, until) = (stretch.tip(self.machine), stretch.at(stretch.until_s).tip(self.machine));
            let way = (until[0].at - from[0].at) * self.machine.cuts;
            let inside = from[0].at.min(until[0].at) < high && from[0].at.max(until[0].at) > low;
            let deep = from[1].at.max(until[1].at);
            if way <= 0.0 || deep <= 0.0 || !inside {
                // Standing for its play does not end a cut.
                goes_on &= way == 0.0 && deep > 0.0 && matches!(stretch.nut, Nut::Closed(_));
                continue;
            }
            match all.last_mut().filter(|_| goes_on) {
                Some(last) => *last = Stroke { until_s: stretch.until_s, until_mm: until[0].at, depth_mm: last.depth_mm.max(deep), ..*last },
                None => all.push(Stroke { from_s: stretch.from_s, until_s: stretch.until_s, from_mm: from[0].at, until_mm: until[0].at, depth_mm: deep }),
            }
            goes_on = true;
        }
        // A touch of the handwheel is no cut.
        all.retain(|s| (s.until_mm - s.from_mm).abs() > self.work.lead_mm.abs() * SHORT);
        all
    }

    /// The prints at an angle of the work.
    #[must_use]
    pub fn prints(&self, angle: f64) -> Vec<Print> {
        prints(self.track, self.machine, self.work, self.tool, angle)
    }

    /// All that went wrong, in order.
    #[must_use]
    pub fn faults(&self, meant: &Meant) -> Vec<Seen> {
        let strokes = self.strokes();
        let mut all = self.crashes();
        all.extend(self.marks());
        all.extend(self.strokes_ended(&strokes, meant));
        all.extend(self.strokes_begun(&strokes, meant));
        all.extend(self.reversed_in());
        all.extend(self.fed_over_metal());
        all.extend(self.other_flank());
        all.extend(self.chuck());
        all.sort_by(|a, b| a.at_s.total_cmp(&b.at_s));
        all
    }

    fn crashes(&self) -> Vec<Seen> {
        self.work.walls.iter().flat_map(|wall| self.crashes_into(wall)).collect()
    }

    fn crashes_into(&self, wall: &Wall) -> Vec<Seen> {
        let mut all: Vec<Seen> = Vec::new();
        let mut in_it = false;
        // What of the tool stands foremost against a wall at either end.
        let toward = wall.at_mm <= self.work.surfaces.iter().map(|s| s.from_mm).fold(f64::INFINITY, f64::min) + 1e-9;
        let (side, body) = if toward { (-1.0, self.tool.body_mm[0]) } else { (1.0, self.tool.body_mm[1]) };
        for stretch in &self.track.stretches {
            let ([along, depth], until) = (stretch.tip(self.machine), stretch.until_s - stretch.from_s);
            let past = |s: f64| side * (along.after(s).at - wall.at_mm) + body;
            let meets = |s: f64| past(s) > 1e-6 && depth.after(s).at > wall.depth_mm + 1e-6;
            // Within a stretch it may come to the wall, or be fed into it.
            let [comes, fed] = [along.first(wall.at_mm - side * body), depth.first(wall.depth_mm)];
            let mut at = [Some(0.0), comes, fed, Some(until)].into_iter().flatten().filter(|s| *s <= until).map(|s| (s + 1e-6).min(until)).collect::<Vec<_>>();
            at.sort_by(f64::total_cmp);
            for s in at {
                let now = meets(s);
                let deep = past(s);
                match all.last_mut().filter(|_| in_it && now) {
                    Some(Seen { fault: Fault::Crash { past_mm, .. }, .. }) => *past_mm = past_mm.max(deep),
                    _ if now => {
                        let rate_mm_s = along.after(s).rate.abs();
                        all.push(Seen { at_s: stretch.from_s + s, fault: Fault::Crash { wall_mm: wall.at_mm, past_mm: deep, rate_mm_s } });
                    }
                    _ => {}
                }
                in_it = now;
            }
        }
        all
    }

    fn marks(&self) -> Vec<Seen> {
        let pitch = real(&self.machine.screw_mm);
        let fell = |h: &crate::track::Happened| match h.what {
            What::Fell(pitches, start) => Some((h.at_s, pitches, start)),
            _ => None,
        };
        let all = self.track.happened.iter().filter_map(fell);
        all.filter_map(|(at_s, pitches, start)| {
            #[allow(clippy::cast_precision_loss)] // pitches of a screw
            let off = off_groove(pitches as f64 * pitch, self.work, start);
            (off.abs() > RUBS_MM).then_some(Seen { at_s, fault: Fault::WrongMark(pitches, off) })
        })
        .collect()
    }

    fn strokes_ended(&self, strokes: &[Stroke], meant: &Meant) -> Vec<Seen> {
        let short = |s: &Stroke| (meant.mark_mm - s.until_mm) * self.machine.cuts;
        let too = |by: f64| by > SHORT * self.work.lead_mm.abs();
        // One still going on has not ended.
        let last = self.track.stretches.last().map_or(0.0, |s| s.until_s);
        strokes
            .iter()
            .filter(|s| s.until_s < last)
            .map(|s| (s.until_s, short(s)))
            .filter(|s| too(s.1))
            .map(|(at_s, by)| Seen { at_s, fault: Fault::Short(by) })
            .collect()
    }

    fn strokes_begun(&self, strokes: &[Stroke], meant: &Meant) -> Vec<Seen> {
        let mut all = Vec::new();
        let mut before = [0.0; 2];
        for (i, stroke) in strokes.iter().enumerate() {
            let Some(stands) = self.track.at(stroke.from_s) else { continue };
            let cross = stands.dials[Slide::Cross as usize].at;
            let off_zero = meant.to_zero && cross.abs() > AT_ZERO_MM;
            if off_zero {
                all.push(Seen { at_s: stroke.from_s, fault: Fault::NotAtZero(cross) });
            }
            let Some(depth) = meant.depths_mm.get(i) else { continue };
            let [asked, made] = [depth - before[0], stroke.depth_mm - before[1]];
            if asked > RUBS_MM && made > TWICE * asked && !off_zero {
                all.push(Seen { at_s: stroke.from_s, fault: Fault::DepthTwice(stroke.depth_mm - depth) });
            }
            before = [*depth, stroke.depth_mm];
        }
        all
    }

    /// Looked at several times in every stretch in which the tool goes back under the crest, each time where the work then stands: less than
    /// a turn back may be enough.
    fn reversed_in(&self) -> Vec<Seen> {
        let mut found: Vec<Seen> = Vec::new();
        let mut going = false;
        for stretch in &self.track.stretches {
            let [along, depth] = stretch.tip(self.machine);
            let long = stretch.until_s - stretch.from_s;
            let back = along.sense() * self.machine.cuts < 0.0 && depth.at.max(depth.after(long).at) > RUBS_MM;
            if !back {
                // Standing for its play it has not come out.
                going &= along.sense() == 0.0;
                continue;
            }
            for share in LOOKED_AT {
                let at_s = stretch.from_s + share * long;
                let then = stretch.at(at_s);
                let now = Print::of(then.tip(self.machine), at_s);
                let before: Vec<Print> = self.prints(then.spindle.at).into_iter().filter(|p| p.at_s < stretch.from_s).collect();
                let over = if now.depth_mm > RUBS_MM { self.work.overlap(self.tool, &before, &now) } else { 0.0 };
                match found.last_mut().filter(|_| going) {
                    Some(Seen { fault: Fault::ReversedIn(worst), .. }) => *worst = worst.max(over),
                    _ if over > RUBS_MM => {
                        found.push(Seen { at_s, fault: Fault::ReversedIn(over) });
                        going = true;
                    }
                    _ => {}
                }
            }
        }
        found
    }

    fn fed_over_metal(&self) -> Vec<Seen> {
        let feeds = |s: &&Stretch| {
            let [along, depth] = s.tip(self.machine);
            let deep = depth.after(s.until_s - s.from_s).at;
            s.carriage.sense() == 0.0 && along.sense() * self.machine.cuts >= 0.0 && depth.sense() > 0.0 && deep > RUBS_MM
        };
        let over = |s: &Stretch| {
            let end = s.at(s.until_s);
            let now = Print::of(end.tip(self.machine), s.until_s);
            let before: Vec<Print> = self.prints(end.spindle.at).into_iter().filter(|p| p.at_s < s.from_s).collect();
            let own = before.iter().filter(|p| (p.at_mm - now.at_mm).abs() < SHORT * self.work.lead_mm.abs()).map(|p| p.depth_mm).fold(0.0, f64::max);
            let step = if own > 0.0 { (now.depth_mm - own).max(0.0) } else { 0.0 };
            let over = self.work.overlap(self.tool, &before, &now) - step;
            (over > RUBS_MM).then_some(Seen { at_s: s.until_s, fault: Fault::FedOverMetal(over) })
        };
        self.track.stretches.iter().filter(feeds).filter_map(over).collect()
    }

    fn other_flank(&self) -> Vec<Seen> {
        let off = |h: &crate::track::Happened| match h.what {
            What::PickedUp(off) => Some(off),
            What::Did(Act::Zero(_)) => {
                let stands = self.track.at(h.at_s)?;
                let Nut::Closed(pitches) = stands.nut else { return None };
                let [_, depth] = stands.tip(self.machine);
                #[allow(clippy::cast_precision_loss)] // pitches of a screw
                let lag = (pitches as f64 - stands.counted.at) * real(&self.machine.screw_mm);
                (depth.at > RUBS_MM).then_some(self.machine.play_mm / 2.0 - self.machine.cuts * lag)
            }
            _ => None,
        };
        let seen = |h: &crate::track::Happened| off(h).filter(|off| *off > RUBS_MM).map(|off| Seen { at_s: h.at_s, fault: Fault::OtherFlank(off) });
        self.track.happened.iter().filter_map(seen).collect()
    }

    fn chuck(&self) -> Option<Seen> {
        let reversed = |s: &&Stretch| self.machine.chuck_screwed && s.spindle.sense() < 0.0 && s.spindle.rate <= 0.0;
        self.track.stretches.iter().find(reversed).map(|s| Seen { at_s: s.from_s, fault: Fault::ChuckUnscrews })
    }
}

/// How far off its groove the tool is with the half-nut so far along its screw from where it was closed first, mm, between half a lead
/// either way.
#[must_use]
pub fn off_groove(along_mm: f64, work: &Work, start: u32) -> f64 {
    let lead = work.lead_mm.abs();
    let index = f64::from(start) * work.pitch_mm();
    let off = along_mm - index;
    off - lead * (off / lead).round()
}
