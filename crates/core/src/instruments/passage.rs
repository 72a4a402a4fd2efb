//! Passes as a readout sees them: the carriage goes over the thread in the way of the cut with the tool in, and the median of the depths
//! it read on the way is the pass's. What cannot be trusted marks nothing.

use serde::{Deserialize, Serialize};

/// Fastest a carriage and a slide go, mm a second: what is faster is no reading. House values.
const CARRIAGE_MM_S: f64 = 200.0;
const SLIDE_MM_S: f64 = 30.0;
/// Fewest readings over a thread, and the share of it they must cover.
const FEWEST: usize = 5;
const COVERED: f64 = 0.75;
/// Most readings of one passage: what stands in the cut longer is no pass.
const MOST: usize = 20_000;
/// A hole of so many of its own intervals, or of such a share of the thread, hides too much.
const INTERVALS: f64 = 3.0;
const HIDDEN: f64 = 0.25;
/// Share of the newest in the mean of late.
const OF_LATE: f64 = 0.05;

/// One reading of the places: when it came, and where things stood, mm.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Place {
    /// When it came, s.
    pub at_s: f64,
    /// The carriage along the bed, over nought away from the headstock.
    pub along_mm: f64,
    /// The cross-slide's depth under the crest.
    pub cross_mm: f64,
    /// The compound's travel, where it is read.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub compound_mm: Option<f64>,
}

/// What is watched for: the thread as it lies along the bed, and how depth is carried.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Watching {
    /// Where the thread begins and ends, in the order of the cut, mm.
    pub thread_mm: [f64; 2],
    /// Pitch, mm.
    pub pitch_mm: f64,
    /// A division of the slide that is set, mm radial.
    pub division_mm: f64,
    /// Depth a millimetre of the compound gives; nothing where the cross-slide alone carries it.
    pub compound_gives: Option<f64>,
}

impl Watching {
    /// How far along the thread a place on the bed is, from its beginning in the way of the cut, mm.
    #[must_use]
    pub fn along(&self, along_mm: f64) -> f64 {
        let [from, to] = self.thread_mm;
        (along_mm - from) * (to - from).signum()
    }
}

/// What was seen of a passage over the thread.
#[derive(Debug, Clone, Copy, PartialEq)]
pub enum Seen {
    /// A pass, at this depth, mm radial, and when it began.
    Pass {
        /// Radial depth, mm; nothing where the compound carries it and is not read.
        radial_mm: Option<f64>,
        /// s.
        began_s: f64,
    },
    /// The tool went over it in the way of the cut, and too few readings tell of it.
    TooFast {
        /// s.
        began_s: f64,
    },
    /// Readings are missing, or cannot be: nothing is marked.
    Untrusted {
        /// When it can have begun, s: since it was heard last, where it began unheard.
        began_s: f64,
    },
}

impl Seen {
    /// When it began, s: what is told since is told of it.
    #[must_use]
    pub const fn began_s(&self) -> f64 {
        match *self {
            Self::Pass { began_s, .. } | Self::TooFast { began_s } | Self::Untrusted { began_s } => began_s,
        }
    }
}

/// The passage that is on its way.
#[derive(Debug, Clone)]
struct OnItsWay {
    readings: Vec<Place>,
    /// When it can have begun at the earliest, s.
    since_s: f64,
    trusted: bool,
    /// Whether it was heard before the tool went in: else it may have begun unheard.
    heard_before: bool,
    /// Farthest along in the way of the cut.
    farthest: f64,
}

/// Watches for passes, reading by reading.
#[derive(Debug, Clone)]
pub struct Passes {
    watching: Watching,
    last: Option<Place>,
    /// When the last reading came, whether it told a place or not.
    heard_s: Option<f64>,
    /// Its own interval, the mean of late: lines come in bursts, so that one after another says little.
    interval_s: Option<f64>,
    /// When a place was told last before it was not for a while.
    lost_s: Option<f64>,
    on: Option<OnItsWay>,
}

impl Passes {
    /// Nothing seen yet.
    #[must_use]
    pub const fn new(watching: Watching) -> Self {
        Self { watching, last: None, heard_s: None, interval_s: None, lost_s: None, on: None }
    }

    fn along(&self, place: &Place) -> f64 {
        self.watching.along(place.along_mm)
    }

    fn length(&self) -> f64 {
        let [from, to] = self.watching.thread_mm;
        (to - from).abs()
    }

    /// Depth under the crest, where what carries it is read.
    fn depth(&self, place: &Place) -> Option<f64> {
        match (self.watching.compound_gives, place.compound_mm) {
            (Some(gives), Some(compound)) => Some(place.cross_mm + compound * gives),
            (Some(_), None) => None,
            (None, _) => Some(place.cross_mm),
        }
    }

    /// Whether the tool is in: past the crest's touch, or, the compound not read, the cross-slide within a division of its nought.
    fn is_in(&self, place: &Place) -> bool {
        self.depth(place).map_or(place.cross_mm.abs() <= self.watching.division_mm, |d| d > 0.0)
    }

    /// One more reading; what it ends is seen.
    pub fn reads(&mut self, now: Place) -> Option<Seen> {
        let came = self.comes(now.at_s);
        let Some(before) = self.last else {
            self.last = Some(now);
            self.begin(now, false);
            return None;
        };
        // The same instant twice says nothing new.
        let [took, usual] = came?;
        self.last = Some(now);
        let slides = |p: &Place| [p.cross_mm, p.compound_mm.unwrap_or(0.0)];
        // What came in a burst was read an interval apart all the same.
        let apart = took.max(usual);
        let leaps = (now.along_mm - before.along_mm).abs() > CARRIAGE_MM_S * apart
            || slides(&now).iter().zip(slides(&before)).any(|(a, b)| (a - b).abs() > SLIDE_MM_S * apart);
        let moved = self.along(&now) - self.along(&before);
        let hole = took > INTERVALS * usual && moved.abs() > self.watching.division_mm || moved.abs() > HIDDEN * self.length();
        let Some(mut on) = self.on.take() else {
            self.begin(now, true);
            return None;
        };
        let along = self.along(&now);
        on.trusted &= !leaps && !hole;
        on.farthest = on.farthest.max(along);
        let back = on.farthest - along > self.watching.pitch_mm / 2.0;
        if !self.is_in(&now) || back {
            // Drawn out, or gone back: that ends it.
            self.begin(now, true);
            return self.judge(&on);
        }
        // Standing before the thread says no more than the last of it does.
        if along <= 0.0 {
            on.readings.clear();
            on.since_s = now.at_s;
        }
        on.readings.push(now);
        on.trusted &= on.readings.len() < MOST;
        on.readings.truncate(MOST);
        self.on = Some(on);
        None
    }

    /// Notes when a reading comes: seconds since the one before, and how many usually.
    fn comes(&mut self, at_s: f64) -> Option<[f64; 2]> {
        let took = at_s - self.heard_s.unwrap_or(at_s);
        self.heard_s = Some(at_s);
        if took <= 0.0 {
            return None;
        }
        let usual = self.interval_s.unwrap_or(took);
        self.interval_s = Some(usual + OF_LATE * (took.min(INTERVALS * usual) - usual));
        Some([took, usual])
    }

    /// Seconds between two readings, of late; nought before there were two.
    #[must_use]
    pub fn interval_s(&self) -> f64 {
        self.interval_s.unwrap_or(0.0)
    }

    /// A reading that tells no place: what was on its way is not known.
    pub fn unplaced(&mut self, at_s: f64) {
        self.comes(at_s);
        self.lose();
    }

    /// Nothing more is said: what was on its way is not known.
    pub fn silent(&mut self) {
        self.lose();
        self.heard_s = None;
    }

    fn lose(&mut self) {
        self.on = None;
        self.lost_s = self.last.take().map(|last| last.at_s).or(self.lost_s);
    }

    /// A passage may begin where the tool is in.
    fn begin(&mut self, now: Place, heard_before: bool) {
        let since_s = self.lost_s.take().unwrap_or(now.at_s);
        self.on = self.is_in(&now).then(|| OnItsWay { farthest: self.along(&now), readings: vec![now], since_s, trusted: true, heard_before });
    }

    fn judge(&self, on: &OnItsWay) -> Option<Seen> {
        let (first, began_s, length) = (on.readings.first()?, on.since_s, self.length());
        let pitch = self.watching.pitch_mm;
        // It begins before the thread, and goes to its end but for the last part of a pitch.
        let begun_before = self.along(first) <= pitch / 2.0;
        let begun_unheard = !on.heard_before && on.farthest - self.along(first) >= pitch;
        if !begun_before && !begun_unheard || on.farthest < length - pitch {
            return None;
        }
        if !on.trusted || !begun_before {
            return Some(Seen::Untrusted { began_s });
        }
        let over: Vec<&Place> = on.readings.iter().filter(|p| (0.0..=length).contains(&self.along(p))).collect();
        let ends = |p: Option<&&Place>| p.map_or(0.0, |p| self.along(p));
        if over.len() < FEWEST || ends(over.last()) - ends(over.first()) < COVERED * length {
            return Some(Seen::TooFast { began_s });
        }
        let depths: Option<Vec<f64>> = over.iter().map(|p| self.depth(p)).collect();
        Some(Seen::Pass { radial_mm: depths.map(|d| self.deepest(&d)), began_s })
    }

    /// The median over the thread; where two readings running agree on more than a division deeper, that.
    fn deepest(&self, depths: &[f64]) -> f64 {
        let mut sorted = depths.to_vec();
        sorted.sort_by(f64::total_cmp);
        let middle = sorted.len() / 2;
        let median = if sorted.len() % 2 == 1 { sorted[middle] } else { f64::midpoint(sorted[middle - 1], sorted[middle]) };
        let agreed = depths.windows(2).filter(|w| (w[0] - w[1]).abs() <= self.watching.division_mm).map(|w| w[0].min(w[1]));
        let deepest = agreed.fold(f64::NEG_INFINITY, f64::max);
        if deepest > median + self.watching.division_mm { deepest } else { median }
    }
}
