//! The lathe itself: told what a hand does, it goes from event to event, exact in between.

use crate::act::{Act, Cue, Refused};
use crate::even::{Even, SAME};
use crate::machine::Machine;
use crate::play::Play;
use crate::track::{Happened, Nut, Stretch, Track, What};
use yoke_ground::quantity::real;

/// Share of the screw's pitch within which a tooth is drawn into its place when the half-nut is pressed. House value.
pub const DRAWN_IN: f64 = 0.1;
/// Longest anything is waited for, s: what has not come by then is not coming.
pub const LONGEST_S: f64 = 86_400.0;
/// Fastest anything is told to go, in its own unit a second.
const FASTEST: f64 = 1e4;

/// What the spindle is about.
#[derive(Debug, Clone, Copy, PartialEq)]
enum Drive {
    /// Comes to a rate, turns a second.
    Rate(f64),
    /// Is turned by hand to a place, turns.
    Hand(f64),
}

/// A slide on its screw.
#[derive(Debug, Clone, Copy)]
struct Screwed {
    /// Its handwheel, as travel of its screw; what its dial shows counts from `zero`.
    wheel: Even,
    zero: f64,
    place: f64,
    play: Play,
    /// Where its handwheel is wound to.
    to: Option<f64>,
}

impl Screwed {
    fn place(&self) -> Even {
        self.play.driven(self.wheel, self.place)
    }

    /// What its dial shows.
    fn dial(&self) -> Even {
        self.wheel - Even::still(self.zero)
    }
}

/// What comes next by itself.
#[derive(Debug, Clone, Copy, PartialEq)]
enum Next {
    SpindleThere,
    TakenUp,
    Falls,
    CarriageThere,
    SlideThere(usize),
    SlideTakenUp(usize),
}

/// A lathe that stands in.
#[derive(Debug, Clone)]
pub struct Lathe {
    machine: Machine,
    now_s: f64,
    spindle: Even,
    drive: Drive,
    /// Turns the leadscrew stands off what the spindle's turns give: the gears were parted.
    slipped: f64,
    carriage: Even,
    wound_to: Option<f64>,
    nut: Nut,
    play: Play,
    /// What the dial counts from: set by the first closing, and again where the thread is picked up.
    counts_from: Option<f64>,
    slides: [Screwed; 2],
    start: u32,
    track: Track,
}

impl Lathe {
    /// At rest, the half-nut open, the carriage and the two slides at these places, mm, their dials at nought and their play taken up inward.
    #[must_use]
    pub fn new(machine: Machine, carriage_mm: f64, slides_mm: [f64; 2]) -> Self {
        let slide = |i: usize| {
            let (place, size_mm) = (slides_mm[i], machine.slide_play_mm[i]);
            let wheel = place + size_mm / 2.0;
            Screwed { wheel: Even::still(wheel), zero: wheel, place, play: Play { size_mm, lag_mm: size_mm / 2.0 }, to: None }
        };
        let slides = [slide(0), slide(1)];
        Self {
            play: Play::middle(machine.play_mm),
            machine,
            now_s: 0.0,
            spindle: Even::default(),
            drive: Drive::Rate(0.0),
            slipped: 0.0,
            carriage: Even::still(carriage_mm),
            wound_to: None,
            nut: Nut::Open,
            counts_from: None,
            slides,
            start: 0,
            track: Track::default(),
        }
    }

    /// Seconds since it began.
    #[must_use]
    pub const fn now_s(&self) -> f64 {
        self.now_s
    }

    /// Its facts.
    #[must_use]
    pub const fn machine(&self) -> &Machine {
        &self.machine
    }

    /// What happened so far.
    #[must_use]
    pub const fn track(&self) -> &Track {
        &self.track
    }

    /// Everything as it stands and moves now.
    #[must_use]
    pub fn stands(&self) -> Stretch {
        Stretch {
            from_s: self.now_s,
            until_s: self.now_s,
            spindle: self.spindle,
            carriage: self.carriage_moves(),
            counted: self.counted(),
            slides: self.slides.map(|s| s.place()),
            dials: self.slides.map(|s| s.dial()),
            nut: self.nut,
        }
    }

    /// Where the screw would have the carriage, by its turns alone, mm.
    fn driver(&self) -> Even {
        let lead = self.machine.lead_mm();
        Even { at: self.spindle.at * lead + self.slipped * real(&self.machine.screw_mm), ..self.spindle * lead }
    }

    fn carriage_moves(&self) -> Even {
        match self.nut {
            Nut::Closed(_) => self.play.driven(self.driver(), self.carriage.at),
            _ => self.carriage,
        }
    }

    /// Leadscrew pitches from where the half-nut was closed first; before that, from where the gears happen to stand.
    fn counted(&self) -> Even {
        let from = Even::still(self.counts_from.unwrap_or(0.0));
        (self.carriage_moves() - self.driver() - from) * (1.0 / real(&self.machine.screw_mm))
    }

    /// Does one act now.
    ///
    /// # Errors
    /// [`Refused`], and nothing has changed.
    pub fn act(&mut self, act: Act) -> Result<(), Refused> {
        let sound = |numbers: &[f64]| numbers.iter().all(|v| v.abs() < FASTEST * LONGEST_S).then_some(()).ok_or(Refused::NoNumber);
        let speed = |v: f64| if v.abs() > SAME && v.abs() < FASTEST { Ok(v.abs()) } else { Err(Refused::NoNumber) };
        let (events, done) = (self.track.happened.len(), self.try_act(act, &sound, &speed));
        if done.is_ok() {
            self.track.happened.insert(events, Happened { at_s: self.now_s, what: What::Did(act) });
            self.set_spindle();
        }
        done
    }

    fn try_act(&mut self, act: Act, sound: &impl Fn(&[f64]) -> Result<(), Refused>, speed: &impl Fn(f64) -> Result<f64, Refused>) -> Result<(), Refused> {
        match act {
            Act::Spindle(rate) => {
                sound(&[rate])?;
                self.drive = Drive::Rate(rate.clamp(-FASTEST, FASTEST));
            }
            Act::Turn([turns, fast]) => {
                sound(&[turns])?;
                self.drive = Drive::Hand(self.spindle.at + turns);
                self.spindle = Even { rate: speed(fast)?.copysign(turns), change: 0.0, ..self.spindle };
            }
            Act::Close => self.close(),
            Act::Open => self.open(),
            Act::Part(turns) => {
                sound(&[turns])?;
                self.open();
                self.slipped += turns;
            }
            Act::Wind([to, fast]) => {
                sound(&[to])?;
                if matches!(self.nut, Nut::Closed(_)) {
                    return Err(Refused::HalfNutHolds);
                }
                let rate = speed(fast)?.copysign(to - self.carriage.at);
                self.carriage = Even { rate, change: 0.0, ..self.carriage };
                self.wound_to = Some(to);
            }
            Act::Feed(slide, [to, fast]) => {
                sound(&[to])?;
                let one = &mut self.slides[slide as usize];
                let to = to + one.zero;
                let rate = speed(fast)?.copysign(to - one.wheel.at);
                one.wheel = Even { rate, change: 0.0, ..one.wheel };
                one.to = Some(to);
            }
            Act::Zero(slide) => {
                let one = &mut self.slides[slide as usize];
                one.zero = one.wheel.at;
            }
            Act::PickUp => {
                let closed = matches!(self.nut, Nut::Closed(_));
                let lag = if closed { self.play.lag_mm } else { 0.0 };
                self.counts_from = Some(self.carriage.at - self.driver().at + lag);
                if closed {
                    self.nut = Nut::Closed(0);
                }
                // With the screw on its other flank everything after lies so far off.
                self.note(What::PickedUp(if closed { self.play.left_mm(self.machine.cuts) } else { 0.0 }));
            }
            Act::Start(start) => self.start = start,
        }
        Ok(())
    }

    fn open(&mut self) {
        self.carriage = Even::still(self.carriage.at);
        self.nut = Nut::Open;
    }

    /// The half-nut pressed: drawn into its place where a tooth is near enough, and riding else.
    fn close(&mut self) {
        if matches!(self.nut, Nut::Closed(_)) {
            return;
        }
        // The first time, wherever it stands is where it belongs.
        if self.counts_from.is_none() {
            self.counts_from = Some(self.carriage.at - self.driver().at);
        }
        let counted = self.counted().at;
        if (counted - counted.round()).abs() <= DRAWN_IN + SAME {
            self.fall(counted.round());
        } else {
            self.nut = Nut::Riding;
            self.note(What::Rides);
        }
    }

    /// Falls onto a tooth; the carriage is drawn no farther than its play leaves it to be.
    fn fall(&mut self, tooth: f64) {
        let pitch = real(&self.machine.screw_mm);
        let half = self.machine.play_mm / 2.0;
        let belongs = self.driver().at + self.counts_from.unwrap_or(0.0) + tooth * pitch;
        let lag = (belongs - self.carriage.at).clamp(-half, half);
        self.carriage = Even::still(belongs - lag);
        self.play.lag_mm = lag;
        self.wound_to = None;
        #[allow(clippy::cast_possible_truncation)] // pitches of a screw
        let tooth = tooth as i64;
        self.nut = Nut::Closed(tooth);
        self.note(What::Fell(tooth, self.start));
    }

    fn note(&mut self, what: What) {
        self.track.happened.push(Happened { at_s: self.now_s, what });
    }

    /// Goes on until a time, s; nothing where it is past.
    pub fn advance(&mut self, until_s: f64) {
        while self.now_s < until_s {
            self.set_spindle();
            let left = until_s - self.now_s;
            match self.next().filter(|(s, _)| *s <= left) {
                Some((s, next)) => {
                    self.move_on(s);
                    self.come(next);
                }
                None => {
                    self.move_on(left);
                    self.now_s = until_s;
                }
            }
        }
        self.set_spindle();
    }

    /// Goes on until what is waited for has come; false where it does not within so many seconds.
    pub fn wait(&mut self, cue: Cue, within_s: f64) -> bool {
        let end = self.now_s + within_s.clamp(0.0, LONGEST_S);
        if let Cue::Seconds(s) = cue {
            self.advance((self.now_s + s.max(0.0)).min(end));
            return s <= within_s;
        }
        loop {
            self.set_spindle();
            let next = self.next();
            let step = next.map_or(f64::INFINITY, |(s, _)| s).min(end - self.now_s);
            if let Some(s) = self.comes(cue).filter(|s| *s <= step) {
                self.move_on(s);
                return true;
            }
            match next.filter(|(s, _)| *s <= end - self.now_s) {
                Some((s, next)) => {
                    self.move_on(s);
                    self.come(next);
                }
                None => {
                    self.move_on((end - self.now_s).max(0.0));
                    return false;
                }
            }
        }
    }

    /// Seconds until a cue comes, everything moving on as it does.
    fn comes(&self, cue: Cue) -> Option<f64> {
        match cue {
            Cue::Seconds(s) => Some(s),
            Cue::Place(place) => self.carriage_moves().first(place),
            Cue::Turned(turns) => self.spindle.first(turns),
            Cue::Still => self.stands().rests().then_some(0.0),
            Cue::Mark(mark) => {
                let dial = self.machine.dial?;
                let [teeth, marks] = [dial.teeth, dial.marks].map(f64::from);
                let shown = self.counted() * (marks / teeth);
                // The same mark comes round with every turn of the dial.
                let round = ((shown.at - f64::from(mark)) / marks).round();
                [-1.0, 0.0, 1.0].into_iter().filter_map(|turn| shown.first(f64::from(mark) + (round + turn) * marks)).min_by(f64::total_cmp)
            }
        }
    }

    /// How the spindle's rate changes: run down by its coast, brought up by the motor, steady by hand.
    fn set_spindle(&mut self) {
        let rate = self.spindle.rate;
        let Drive::Rate(goal) = self.drive else { return };
        let slower = rate.abs() > SAME && (goal.abs() < rate.abs() - SAME || goal.signum() * rate.signum() < 0.0);
        self.spindle.change = if (goal - rate).abs() < SAME {
            self.spindle.rate = goal;
            0.0
        } else if slower {
            match self.machine.slows() {
                Some(slows) => -slows.copysign(rate),
                None => {
                    self.spindle.rate = if goal * rate > 0.0 { goal } else { 0.0 };
                    return self.set_spindle();
                }
            }
        } else if self.machine.spin_up_s > SAME {
            goal / self.machine.spin_up_s
        } else {
            self.spindle.rate = goal;
            0.0
        };
    }

    /// What comes next by itself, and in how many seconds.
    fn next(&self) -> Option<(f64, Next)> {
        let mut all: Vec<(Option<f64>, Next)> = Vec::with_capacity(8);
        let spindle = self.spindle;
        all.push(match self.drive {
            Drive::Hand(to) => (spindle.first(to).filter(|_| spindle.rate != 0.0), Next::SpindleThere),
            Drive::Rate(goal) => {
                let to = if goal * spindle.rate < 0.0 { 0.0 } else { goal };
                (Some((to - spindle.rate) / spindle.change).filter(|s| *s > 0.0 && spindle.change != 0.0), Next::SpindleThere)
            }
        });
        match self.nut {
            Nut::Closed(_) => all.push((self.play.taken_up(self.driver()), Next::TakenUp)),
            Nut::Riding => all.push((self.falls(), Next::Falls)),
            Nut::Open => {}
        }
        all.push((self.wound_to.and_then(|to| self.carriage.first(to)), Next::CarriageThere));
        for (i, slide) in self.slides.iter().enumerate() {
            all.push((slide.to.and_then(|to| slide.wheel.first(to)), Next::SlideThere(i)));
            all.push((slide.play.taken_up(slide.wheel), Next::SlideTakenUp(i)));
        }
        all.into_iter().filter_map(|(s, next)| s.map(|s| (s, next))).min_by(|a, b| a.0.total_cmp(&b.0))
    }

    /// Seconds until a tooth comes to a half-nut that rides.
    fn falls(&self) -> Option<f64> {
        let counted = self.counted();
        [counted.at.floor(), counted.at.ceil()].into_iter().filter_map(|tooth| counted.first(tooth)).min_by(f64::total_cmp)
    }

    /// Everything moves on by so many seconds, and the stretch is kept.
    fn move_on(&mut self, s: f64) {
        let before = self.stands();
        let after = before.at(self.now_s + s);
        if s > 0.0 {
            self.track.stretches.push(Stretch { until_s: self.now_s + s, ..before });
        }
        let driver = self.driver();
        self.play.moved(driver.after(s).at - driver.at, after.carriage.at - before.carriage.at);
        self.spindle = after.spindle;
        self.carriage = if matches!(self.nut, Nut::Closed(_)) { Even::still(after.carriage.at) } else { after.carriage };
        for (i, slide) in self.slides.iter_mut().enumerate() {
            let wheel = slide.wheel.after(s);
            slide.play.moved(wheel.at - slide.wheel.at, after.slides[i].at - slide.place);
            (slide.place, slide.wheel) = (after.slides[i].at, wheel);
        }
        self.now_s += s;
    }

    /// What has come is set to just what it is.
    fn come(&mut self, next: Next) {
        match next {
            Next::SpindleThere => {
                let rate = match self.drive {
                    Drive::Hand(to) => {
                        self.spindle.at = to;
                        self.drive = Drive::Rate(0.0);
                        0.0
                    }
                    Drive::Rate(goal) if self.spindle.rate.abs() < 1e-6 && goal != 0.0 => 0.0,
                    Drive::Rate(goal) => goal,
                };
                self.spindle = Even { rate, change: 0.0, ..self.spindle };
                if rate == 0.0 {
                    self.note(What::Stopped);
                }
            }
            Next::TakenUp => self.play.lag_mm = self.play.size_mm / 2.0 * self.driver().sense(),
            Next::Falls => self.fall(self.counted().at.round()),
            Next::CarriageThere => {
                self.carriage = Even::still(self.wound_to.take().unwrap_or(self.carriage.at));
            }
            Next::SlideThere(i) => {
                let slide = &mut self.slides[i];
                slide.wheel = Even::still(slide.to.take().unwrap_or(slide.wheel.at));
            }
            Next::SlideTakenUp(i) => {
                let slide = &mut self.slides[i];
                slide.play.lag_mm = slide.play.size_mm / 2.0 * slide.wheel.sense();
            }
        }
    }
}
