//! A thread of several starts: how the work, the bit or the half-nut is moved on from one start to the next, and which of
//! the ways serve on this lathe with this train.

use super::dial::{DepthDial, SlideName};
use crate::gears::{DialAnswer, reengage};
use crate::job::{Lathe, Slide};
use crate::quantity::{Ratio, plain_text, real};
use crate::say;
use crate::voice::Voice;
use num_traits::One;
use serde::Serialize;

/// A way of moving on to the next start.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum IndexBy {
    /// Close the half-nut some leadscrew pitches off, counted on the dial.
    HalfNut,
    /// Move the compound one pitch along the bed.
    Compound,
    /// Slip a gear of the train round by a share of its teeth.
    GearTeeth,
    /// Move the dog to another slot of the driver plate.
    DriverPlate,
}

/// One of the ways, as it falls here.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct IndexWay {
    /// Which.
    pub by: IndexBy,
    /// What to do, or why it cannot be done.
    pub says: String,
    /// Whether it serves here.
    pub serves: bool,
    /// Whether it is the one recommended.
    pub recommended: bool,
    /// Leadscrew pitches, or teeth, moved on for the next start.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub count: Option<u32>,
}

/// The train hung, as far as indexing asks.
pub struct Hung<'a> {
    /// Drivers and driven gears, spindle end first.
    pub gears: (&'a [u16], &'a [u16]),
    /// Leadscrew turns per spindle turn, exact.
    pub ratio: Ratio,
}

/// The ways, for `starts` starts `pitch` mm apart; none for a single start.
#[must_use]
pub fn ways(lathe: &Lathe, hung: &Hung<'_>, starts: u8, pitch: f64, voice: Voice) -> Vec<IndexWay> {
    if starts < 2 {
        return Vec::new();
    }
    let own = |has: bool, way: &dyn Fn() -> IndexWay| has.then(way);
    let mut list: Vec<IndexWay> = [
        own(lathe.half_nut(), &|| half_nut(lathe, hung, starts, voice)),
        own(lathe.compound_feeds, &|| compound(lathe, starts, pitch, voice)),
        own(!lathe.gears_fixed, &|| gear_teeth(lathe, hung, starts, voice)),
    ]
    .into_iter()
    .flatten()
    .collect();
    list.push(IndexWay { by: IndexBy::DriverPlate, says: say!(voice, "starts-by-plate", starts = &starts), serves: false, recommended: false, count: None });
    // What undoes nothing comes first: the half-nut is exact and quick, the compound needs no gear touched.
    if let Some(first) = list.iter_mut().find(|w| w.serves) {
        first.recommended = true;
    }
    list
}

/// Leadscrew pitches k the half-nut is closed on for start `i`, where the train's ratio is n/d: the least with
/// k·d ≡ i·n/s (mod n); none unless s divides n.
#[must_use]
pub fn pitches_on(ratio: &Ratio, starts: u8, i: u8) -> Option<i128> {
    let (n, d, s) = (*ratio.numer(), *ratio.denom(), i128::from(starts));
    (n % s == 0 && n <= 10_000).then(|| (1..=n).find(|k| (k * d - i128::from(i) * n / s) % n == 0)).flatten()
}

fn half_nut(lathe: &Lathe, hung: &Hung<'_>, starts: u8, voice: Voice) -> IndexWay {
    let way = |says: String, serves: bool, count: Option<i128>| IndexWay {
        by: IndexBy::HalfNut,
        says,
        serves,
        recommended: false,
        count: count.and_then(|k| u32::try_from(k).ok()),
    };
    let Some(k) = pitches_on(&hung.ratio, starts, 1) else {
        return way(say!(voice, "starts-not-by-nut"), false, None);
    };
    let pitches = k;
    let dial = reengage(&hung.ratio, lathe.dial.as_ref());
    let (Some(teeth), Some(marks), Some(every)) = (dial.teeth, dial.marks, mark_on(&dial, k)) else {
        return way(say!(voice, "starts-no-mark", pitches = pitches), false, Some(k));
    };
    way(say!(voice, "starts-by-nut", every = every, places = if marks == teeth { "teeth" } else { "marks" }, pitches = pitches), true, Some(k))
}

/// Marks on from the one used first that stand k leadscrew pitches off, or as far off and whole repeats more.
fn mark_on(dial: &DialAnswer, k: i128) -> Option<i128> {
    let (teeth, marks, n) = (i128::from(dial.teeth?), i128::from(dial.marks?), dial.apart);
    (teeth % n == 0).then(|| (1..marks).find(|j| j * teeth % marks == 0 && (j * teeth / marks - k) % n == 0)).flatten()
}

/// A slide's dial moved by a length, in its own turns and divisions, and how far off that is.
fn moved(slide: &Slide, mm: f64, voice: Voice) -> (String, f64) {
    // Along its own way: a dial that reads diameter still moves the slide half its figure.
    let set = DepthDial::new(SlideName::Compound, slide, 0.0).said_in(voice.words).nearest(mm);
    (format!("{} ({})", set.setting.text, set.setting.reading), set.radial_mm - mm)
}

fn compound(lathe: &Lathe, starts: u8, pitch: f64, voice: Voice) -> IndexWay {
    let slide = &lathe.compound;
    let [low, high] = slide.swing_deg;
    let along = slide.scale_from_bed && low <= 0.0 && high >= 0.0 || high >= 90.0 || low <= -90.0;
    let reach = pitch * f64::from(starts - 1);
    let way = |says: String, serves: bool| IndexWay { by: IndexBy::Compound, says, serves, recommended: false, count: None };
    if !along {
        return way(say!(voice, "starts-compound-swing"), false);
    }
    if let Some(travel) = slide.travel_mm.filter(|t| *t < reach) {
        return way(say!(voice, "starts-compound-travel", on = voice.coarse(reach), travels = voice.given(travel)), false);
    }
    let (setting, off) = moved(slide, pitch, voice);
    let residue = match voice.shows(off) {
        false => "none",
        true if off > 0.0 => "over",
        true => "under",
    };
    way(say!(voice, "starts-by-compound", setting = setting, residue = residue, off = voice.length(off.abs())), true)
}

fn gear_teeth(lathe: &Lathe, hung: &Hung<'_>, starts: u8, voice: Voice) -> IndexWay {
    let (drivers, driven) = hung.gears;
    let s = Ratio::from_integer(i128::from(starts));
    // Turns of each driver for one of the spindle; a share of its teeth must come out whole.
    let mut turns = lathe.fixed;
    let mut told = Vec::new();
    for (i, driver) in drivers.iter().enumerate() {
        let teeth = Ratio::from_integer(i128::from(*driver)) * turns / s;
        if teeth.denom().is_one() {
            let place = if i == 0 { "stud" } else { "arm" };
            return IndexWay {
                by: IndexBy::GearTeeth,
                says: say!(voice, "starts-by-gear", driver = driver, place = place, teeth = *teeth.numer()),
                serves: true,
                recommended: false,
                count: u32::try_from(*teeth.numer()).ok(),
            };
        }
        told.push(say!(voice, "starts-gear-would", driver = driver, teeth = plain_text(real(&teeth), 2)));
        if let Some(next) = driven.get(i) {
            turns = turns * Ratio::from_integer(i128::from(*driver)) / Ratio::from_integer(i128::from(*next));
        }
    }
    IndexWay {
        by: IndexBy::GearTeeth,
        says: say!(voice, "starts-not-by-gear", told = told.join(", "), starts = starts),
        serves: false,
        recommended: false,
        count: None,
    }
}
