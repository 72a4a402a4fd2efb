//! A reading as told: what it was taken with, and the pitch diameter it stands for.

use super::estimate::Observation;
use crate::run::{READING_DOUBT_MM, RunPlan, RunWires};
use crate::says::Sentence;
use crate::thread::{Groove, bears};
use crate::voice::Voice;
use crate::{say, sentence};
use serde::{Deserialize, Serialize};

/// How a plug went into a bore, or a ring on to a screw.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum GaugeResult {
    /// The go end does not go.
    GoStops,
    /// The go end goes, the not-go end does not.
    GoGoes,
    /// The not-go end goes as well.
    NotGoGoes,
}

/// The same read again, at another place.
#[derive(Debug, Clone, Copy, Default, PartialEq, Serialize, Deserialize)]
#[serde(default, deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ReadAt {
    /// What was read, mm.
    pub mm: f64,
    /// How far along the thread from where the first was read, mm.
    pub along_mm: f64,
    /// How far round from there, degrees.
    pub around_deg: f64,
}

/// A reading as told: one of the sizes, and what it was read with.
#[derive(Debug, Clone, Default, PartialEq, Serialize, Deserialize)]
#[serde(default, deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Measured {
    /// Micrometer over three wires, mm.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub over_wires_mm: Option<f64>,
    /// Thread micrometer, mm.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub pitch_diameter_mm: Option<f64>,
    /// Spread of repeats, mm.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub spread_mm: Option<f64>,
    /// Micrometer over one wire and the crests opposite, mm.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub over_one_wire_mm: Option<f64>,
    /// Size over those crests, mm; the diameter the cut began at when it is not told.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub outside_mm: Option<f64>,
    /// Size inside, between balls in the groove, mm.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub between_balls_mm: Option<f64>,
    /// How many balls: two opposite, or three between flat anvils.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub balls: Option<u8>,
    /// The wire or ball it was read over, mm, where it is not the plan's.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub wire_mm: Option<f64>,
    /// Across the roots, by rule or caliper, mm.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub root_mm: Option<f64>,
    /// How the plug or ring went.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub plug: Option<GaugeResult>,
    /// What it was read with, by its name in the drawer.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub instrument: Option<String>,
    /// What that reads with nothing between its anvils, mm: taken off every reading.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub zero_mm: Option<f64>,
    /// The same read at other places, or at the same place again.
    #[serde(skip_serializing_if = "Vec::is_empty")]
    pub places: Vec<ReadAt>,
}

/// A faulty field of what was typed: its JSON pointer, and what would be right there.
pub type FieldFault = (&'static str, String);

/// Holds a length that was typed to its bounds.
pub(crate) fn length_within(field: &'static str, mm: f64, low: f64, high: f64, voice: Voice) -> Result<(), FieldFault> {
    if mm.is_finite() && (low..=high).contains(&mm) {
        return Ok(());
    }
    Err((field, say!(voice, "bounds-length", value = voice.given(mm), span = voice.from_to(low, high))))
}

/// What a reading was taken by, with the figure read.
#[derive(Debug, Clone, Copy, PartialEq)]
enum Method {
    Wires(f64),
    Micrometer(f64),
    OneWire(f64),
    Balls(f64),
    Root(f64),
    Plug,
}

/// What readings along and around a thread say of its shape, mm.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ReadShape {
    /// Smallest pitch diameter found.
    pub least_mm: f64,
    /// Largest.
    pub most_mm: f64,
    /// How much larger it is at the far end than at the first place, of the best straight line; absent where all were read at one place along.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub taper_mm: Option<f64>,
    /// How far apart readings around one place are; absent where none were taken.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub out_of_round_mm: Option<f64>,
    /// In words.
    pub says: String,
}

/// Sizes, their mean and doubt.
#[derive(Debug, Clone, PartialEq)]
pub(crate) struct Read {
    /// Mean pitch diameter, mm.
    pub size: f64,
    /// Doubt of it, mm.
    pub doubt: f64,
    /// The figure read first, zero taken off, mm.
    pub typed: f64,
    /// The shape, where there was more than one reading.
    pub shape: Option<ReadShape>,
    /// Whether it tells the root only, and the flanks by way of the tip.
    pub by_root: bool,
    /// How many readings of the same cut it is the mean of.
    pub times: usize,
}

impl Read {
    /// The mean with those of the same cut told before it: each of them is as good, so the doubt goes down with their root. Where they do
    /// not agree within their doubts the last has the word.
    #[must_use]
    pub fn with(self, before: &[[f64; 2]]) -> Self {
        // Of those read as closely: a coarser one says nothing beside them.
        let alike: Vec<f64> = before.iter().filter(|[_, doubt]| (doubt - self.doubt).abs() < 1e-9).map(|b| b[0]).collect();
        let agree = alike.iter().all(|mm| (mm - self.size).abs() <= 2.0 * self.doubt);
        if alike.is_empty() || !agree || self.by_root || self.shape.is_some() {
            return self;
        }
        let times = alike.len() + 1;
        #[allow(clippy::cast_precision_loss)] // a handful
        let n = times as f64;
        let size = (alike.iter().sum::<f64>() + self.size) / n;
        Self { size, doubt: self.doubt / n.sqrt(), times, ..self }
    }
}

/// Doubt of a rule or a caliper across roots, mm. House value.
const ROOT_DOUBT_MM: f64 = 0.10;
/// Places nearer than these are one place.
const SAME_ALONG_MM: f64 = 0.5;
const SAME_AROUND_DEG: f64 = 5.0;
/// How much of a crest may have been filed away since it was turned, mm on diameter: what is read lower than that is no crest.
const CREST_FILED_MM: f64 = 0.15;
/// Wires nearer than this in size are one size, mm.
const SAME_WIRE_MM: f64 = 0.002;

impl Measured {
    fn by(&self) -> Result<Method, (&'static str, Sentence)> {
        let told = [
            self.over_wires_mm.map(Method::Wires),
            self.pitch_diameter_mm.map(Method::Micrometer),
            self.over_one_wire_mm.map(Method::OneWire),
            self.between_balls_mm.map(Method::Balls),
            self.root_mm.map(Method::Root),
            self.plug.map(|_| Method::Plug),
        ];
        let mut told = told.into_iter().flatten();
        match (told.next(), told.next()) {
            (Some(by), None) => Ok(by),
            _ => Err(("/over_wires_mm", sentence!("read-give-one"))),
        }
    }

    /// What is looked at again where it does not agree, and what may hold the anvils off or let them in: by what it was read with.
    pub(super) fn look_again(&self) -> &'static str {
        match self.by() {
            Ok(Method::Wires(_)) => "wires",
            Ok(Method::OneWire(_)) => "wire",
            Ok(Method::Balls(_)) => "balls",
            Ok(Method::Root(_)) => "points",
            _ => "anvils",
        }
    }

    /// Checks what was typed: every faulty field, and what would be right there.
    ///
    /// # Errors
    /// The JSON pointers of the fields, each with what would be right.
    pub fn check(&self, voice: Voice) -> Result<(), Vec<FieldFault>> {
        let mut wrong: Vec<FieldFault> = Vec::new();
        let mut sound = |field, value: Option<f64>, low, high| wrong.extend(value.and_then(|mm| length_within(field, mm, low, high, voice).err()));
        for (field, value) in [
            ("/over_wires_mm", self.over_wires_mm),
            ("/pitch_diameter_mm", self.pitch_diameter_mm),
            ("/over_one_wire_mm", self.over_one_wire_mm),
            ("/between_balls_mm", self.between_balls_mm),
            ("/root_mm", self.root_mm),
            ("/outside_mm", self.outside_mm),
        ] {
            sound(field, value, 0.01, 2000.0);
        }
        sound("/spread_mm", self.spread_mm, 0.0, 5.0);
        sound("/wire_mm", self.wire_mm, 0.05, 50.0);
        sound("/zero_mm", self.zero_mm, -1.0, 1.0);
        for place in &self.places {
            sound("/places", Some(place.mm), 0.01, 2000.0);
            sound("/places", Some(place.along_mm), -2000.0, 2000.0);
        }
        match self.by() {
            Err((field, why)) => wrong.push((field, why.said(voice))),
            Ok(by) => wrong.extend(self.belongs(by, voice)),
        }
        if self.instrument.as_ref().is_some_and(|i| i.trim().is_empty() || i.chars().count() > 80) {
            wrong.push(("/instrument", say!(voice, "read-instrument-letters")));
        }
        if self.places.len() > 24 {
            wrong.push(("/places", say!(voice, "read-most-places")));
        }
        if self.places.iter().any(|place| !(place.around_deg.is_finite() && place.around_deg.abs() <= 360.0)) {
            wrong.push(("/places", say!(voice, "read-how-far-round")));
        }
        if wrong.is_empty() { Ok(()) } else { Err(wrong) }
    }

    /// What was told beside the size and does not go with how it was read.
    fn belongs(&self, by: Method, voice: Voice) -> Vec<FieldFault> {
        let mut wrong = Vec::new();
        let mut fault = |field, id: &'static str| wrong.push((field, say!(voice, id)));
        match by {
            Method::Balls(_) => {
                if !matches!(self.balls, Some(2 | 3)) {
                    fault("/balls", "read-how-many-balls");
                }
                if self.wire_mm.is_none() {
                    fault("/wire_mm", "read-how-large-balls");
                }
            }
            _ if self.balls.is_some() => fault("/balls", "read-balls-belong"),
            Method::Plug if !self.places.is_empty() => fault("/places", "read-plug-no-places"),
            Method::Micrometer(_) | Method::Root(_) | Method::Plug if self.wire_mm.is_some() => fault("/wire_mm", "read-wire-belongs"),
            _ => {}
        }
        if self.outside_mm.is_some() && !matches!(by, Method::OneWire(_)) {
            fault("/outside_mm", "read-crests-one-wire");
        }
        wrong
    }

    /// The wire it was read over, where there was one, mm.
    pub(crate) fn wire(&self, run: &RunPlan) -> Option<f64> {
        match self.by().ok()? {
            Method::Wires(_) | Method::OneWire(_) => self.wire_mm.or_else(|| run.wires.map(|w| w.wire_mm)),
            _ => self.wire_mm,
        }
    }

    /// Size over three wires of this size, mm, where it was read so.
    pub(crate) fn over(&self) -> Option<f64> {
        self.over_wires_mm.map(|m| m - self.zero_mm.unwrap_or(0.0))
    }

    /// Whether what was read is the bare crest: the anvils rest on it, and not on the wires.
    pub(crate) fn on_the_crest(&self, run: &RunPlan) -> bool {
        let (crest, figure) = match self.by() {
            Ok(Method::Wires(m)) => (run.start_mm, m),
            Ok(Method::OneWire(m)) => (self.outside_mm.unwrap_or(run.start_mm), m),
            _ => return false,
        };
        let over = figure - self.zero_mm.unwrap_or(0.0) - crest;
        (-CREST_FILED_MM..=READING_DOUBT_MM.max(self.spread_mm.unwrap_or(0.0))).contains(&over)
    }

    /// Another wire owned with which this figure would be of the size expected, within the doubt, mm.
    pub(crate) fn wire_that_explains(&self, run: &RunPlan, expected_mm: f64, doubt_mm: f64) -> Option<f64> {
        let (Method::Wires(figure) | Method::OneWire(figure)) = self.by().ok()? else { return None };
        let used = self.wire(run)?;
        let mut others: Vec<(f64, f64)> = run
            .owned_wires_mm
            .iter()
            .filter(|w| (**w - used).abs() > SAME_WIRE_MM)
            .filter_map(|w| Some((*w, (Self { wire_mm: Some(*w), ..self.clone() }.size_of(run, self.by().ok()?, figure)? - expected_mm).abs())))
            .collect();
        others.sort_by(|a, b| a.1.total_cmp(&b.1));
        others.first().filter(|(_, off)| *off <= doubt_mm).map(|(w, _)| *w)
    }

    /// The pitch diameter a figure of this kind stands for, mm.
    fn size_of(&self, run: &RunPlan, by: Method, figure: f64) -> Option<f64> {
        let figure = figure - self.zero_mm.unwrap_or(0.0);
        match by {
            Method::Micrometer(_) => Some(figure),
            Method::Wires(_) => over_wires(run, figure, self.wire(run)?),
            Method::OneWire(_) => over_wires(run, 2.0 * figure - self.outside_mm.unwrap_or(run.start_mm), self.wire(run)?),
            Method::Balls(_) => run.groove(run.target_mm)?.pitch_diameter_of_balls(figure, self.wire_mm?, self.balls?),
            Method::Root(_) => Some(figure + run.cut_sign() * 2.0 * run.tip_to_pitch_mm),
            Method::Plug => None,
        }
    }

    /// What it says of the size; nothing when it holds none, or no wire of the plan serves.
    pub(crate) fn read(&self, run: &RunPlan, voice: Voice) -> Option<Read> {
        let by = self.by().ok()?;
        let (Method::Wires(first) | Method::Micrometer(first) | Method::OneWire(first) | Method::Balls(first) | Method::Root(first)) = by else { return None };
        let mut sizes = vec![(0.0, 0.0, self.size_of(run, by, first)?)];
        for p in &self.places {
            sizes.push((p.along_mm, p.around_deg, self.size_of(run, by, p.mm)?));
        }
        // Over one wire a slip of the micrometer counts twice.
        let least_doubt = match (by, self.spread_mm) {
            (Method::OneWire(_), _) => 2.0 * READING_DOUBT_MM,
            (Method::Root(_), None) => ROOT_DOUBT_MM,
            _ => READING_DOUBT_MM,
        };
        let doubt = least_doubt.max(self.spread_mm.unwrap_or(0.0)).max(repeats(&sizes) / 2.0);
        #[allow(clippy::cast_precision_loss)] // a handful
        let size = sizes.iter().map(|s| s.2).sum::<f64>() / sizes.len() as f64;
        Some(Read { size, doubt, typed: first - self.zero_mm.unwrap_or(0.0), shape: shape(&sizes, voice), by_root: matches!(by, Method::Root(_)), times: 1 })
    }

    /// The pitch diameter it stands for, mm; nothing when it holds none.
    #[must_use]
    pub fn size(&self, run: &RunPlan, voice: Voice) -> Option<f64> {
        self.read(run, voice).map(|r| r.size)
    }

    /// The same as the estimate takes it in; `read` is what [`Self::read`] made of it, which is not cheap over another wire.
    pub(crate) fn seen(&self, run: &RunPlan, read: Option<&Read>) -> Option<Observation> {
        if let Some(plug) = self.plug {
            let (near, far) = (run.near_limit(), run.far_limit());
            return Some(match plug {
                GaugeResult::GoStops => Observation::Short { of_mm: near },
                GaugeResult::GoGoes => Observation::Between { near_mm: near, far_mm: far },
                GaugeResult::NotGoGoes => Observation::Past { mm: far },
            });
        }
        let read = read?;
        if read.by_root {
            let root = read.size - run.cut_sign() * 2.0 * run.tip_to_pitch_mm;
            return Some(Observation::Root { mm: root, doubt_mm: read.doubt });
        }
        Some(Observation::Size { mm: read.size, doubt_mm: read.doubt })
    }

    /// Checks it against the run it is told of: a wire that does not bear on the flanks says nothing.
    ///
    /// # Errors
    /// The JSON pointer of the field and what would be right.
    pub fn check_against(&self, run: &RunPlan, voice: Voice) -> Result<(), (&'static str, String)> {
        let by = self.by().map_err(|(field, why)| (field, why.said(voice)))?;
        if matches!(by, Method::Balls(_)) && run.side == crate::thread::Side::External {
            return Err(("/between_balls_mm", say!(voice, "read-balls-bore")));
        }
        if matches!(by, Method::Wires(_) | Method::OneWire(_)) {
            if run.side == crate::thread::Side::Internal {
                return Err(("/over_wires_mm", say!(voice, "read-wires-inside")));
            }
            let Some(wire) = self.wire(run) else {
                return Err(("/wire_mm", say!(voice, "read-say-wire")));
            };
            if let (None, Some(groove)) = (own(run, wire), run.groove(run.target_mm)) {
                bears(&groove, wire, run.start_mm, run.tip_to_pitch_mm)
                    .map_err(|why| ("/wire_mm", say!(voice, "wire-does-not-bear", wire = voice.length(wire), why = why.word())))?;
            }
        }
        Ok(())
    }
}

/// Pitch diameter of a size over three wires: the plan's own by its sum, others by where they really rest.
fn over_wires(run: &RunPlan, over: f64, wire: f64) -> Option<f64> {
    match own(run, wire) {
        Some(own) => Some(over - own.sum_mm),
        None => run.groove(run.target_mm)?.pitch_diameter_of(over, wire),
    }
}

/// The plan's own wires, when this is one of them.
fn own(run: &RunPlan, wire: f64) -> Option<RunWires> {
    run.wires.filter(|own| (own.wire_mm - wire).abs() < SAME_WIRE_MM)
}

/// How far apart repeats at one place are, mm.
fn repeats(sizes: &[(f64, f64, f64)]) -> f64 {
    let same = |a: &(f64, f64, f64), b: &(f64, f64, f64)| (a.0 - b.0).abs() < SAME_ALONG_MM && (a.1 - b.1).abs() < SAME_AROUND_DEG;
    pairs(sizes).filter(|(a, b)| same(a, b)).map(|(a, b)| (a.2 - b.2).abs()).fold(0.0, f64::max)
}

fn pairs<T>(list: &[T]) -> impl Iterator<Item = (&T, &T)> {
    list.iter().enumerate().flat_map(|(i, a)| list[i + 1..].iter().map(move |b| (a, b)))
}

/// The shape several readings give; nothing of one.
fn shape(sizes: &[(f64, f64, f64)], voice: Voice) -> Option<ReadShape> {
    let apart = |f: fn(&(f64, f64, f64)) -> f64| sizes.iter().map(f).fold(f64::NEG_INFINITY, f64::max) - sizes.iter().map(f).fold(f64::INFINITY, f64::min);
    if sizes.len() < 2 || (apart(|s| s.0) < SAME_ALONG_MM && apart(|s| s.1) < SAME_AROUND_DEG) {
        return None;
    }
    let least_mm = sizes.iter().map(|s| s.2).fold(f64::INFINITY, f64::min);
    let most_mm = sizes.iter().map(|s| s.2).fold(f64::NEG_INFINITY, f64::max);
    let taper_mm = (apart(|s| s.0) >= SAME_ALONG_MM).then(|| slope(sizes) * apart(|s| s.0));
    let around = pairs(sizes).filter(|(a, b)| (a.0 - b.0).abs() < SAME_ALONG_MM && (a.1 - b.1).abs() >= SAME_AROUND_DEG).map(|(a, b)| (a.2 - b.2).abs());
    let out_of_round_mm = around.fold(None, |most: Option<f64>, d| Some(most.map_or(d, |m| m.max(d))));
    let mut says = Vec::new();
    if let Some(t) = taper_mm {
        let over = voice.about(apart(|s| s.0));
        says.push(if t.abs() < READING_DOUBT_MM {
            say!(voice, "read-parallel", over = &over)
        } else {
            say!(voice, "read-tapers", by = voice.length(t.abs()), way = if t > 0.0 { "larger" } else { "smaller" }, over = &over)
        });
    }
    if let Some(r) = out_of_round_mm {
        says.push(if r < READING_DOUBT_MM { say!(voice, "read-round") } else { say!(voice, "read-out-of-round", by = voice.length(r)) });
    }
    Some(ReadShape { least_mm, most_mm, taper_mm, out_of_round_mm, says: says.join(" ") })
}

/// Slope of the best straight line of size over place along, by least squares.
#[allow(clippy::cast_precision_loss)] // a handful
fn slope(sizes: &[(f64, f64, f64)]) -> f64 {
    let n = sizes.len() as f64;
    let (mx, my) = (sizes.iter().map(|s| s.0).sum::<f64>() / n, sizes.iter().map(|s| s.2).sum::<f64>() / n);
    let (sxy, sxx) = sizes.iter().fold((0.0, 0.0), |(xy, xx), s| (xy + (s.0 - mx) * (s.2 - my), xx + (s.0 - mx).powi(2)));
    if sxx > 0.0 { sxy / sxx } else { 0.0 }
}

impl RunPlan {
    /// The groove at a pitch diameter; nothing where the sides are straight or the plan was frozen before its tip was kept.
    pub(crate) fn groove(&self, pitch_diameter_mm: f64) -> Option<Groove> {
        let tip = self.tip.filter(|t| t.alpha_deg > 0.0)?;
        Some(Groove { pitch_diameter_mm, pitch_mm: tip.pitch_mm, lead_mm: self.lead_mm.unwrap_or(tip.pitch_mm), flanks: tip.flanks() })
    }
}
