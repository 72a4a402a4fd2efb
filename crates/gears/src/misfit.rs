//! What did I hang? The scratch measures another pitch: the mistakes that would give just that one.

use crate::drive::{Drive, Gear};
use crate::quantity::real;
use crate::train::Train;
use crate::voice::Voice;
use serde::Serialize;
use yoke_ground::say;

/// A mistake, and the pitch it gives.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Mistake {
    /// What was done.
    pub says: String,
    /// The lead it cuts, mm.
    pub lead_mm: f64,
    /// How far that is from the one measured, per cent of it.
    pub off_percent: f64,
}

/// How near a mistake's lead must come to the one measured to be named, as a share of it: a rule over ten threads is
/// that good.
const NEAR: f64 = 0.02;
/// How many are named.
const NAMED: usize = 5;

/// The mistakes that would cut the lead measured, likeliest first: things of the same train changed about before gears
/// taken for others. Empty when the lead measured is the one meant, or nothing gives it.
#[must_use]
pub fn mistakes(lathe: &Drive, train: &Train, starts: u8, measured_mm: f64, voice: Voice) -> Vec<Mistake> {
    let lead = |t: &Train| real(&(t.ratio(lathe) * lathe.leadscrew));
    let right = lead(train);
    if (measured_mm / right - 1.0).abs() < NEAR / 4.0 {
        return Vec::new();
    }
    let mut list: Vec<(u8, String, f64)> = Vec::new();
    let mut say = |weight: u8, says: String, t: &Train| list.push((weight, says, lead(t)));
    changed_about(train, voice, &mut say);
    taken_for_others(lathe, train, voice, &mut say);
    if starts > 1 {
        list.push((0, say!(voice, "hung-pitch-measured", starts = &starts), right / f64::from(starts)));
        list.push((1, say!(voice, "hung-for-the-pitch"), right / f64::from(starts)));
    }
    let mut near: Vec<(u8, Mistake)> = list
        .into_iter()
        .map(|(weight, says, lead_mm)| (weight, Mistake { says, lead_mm, off_percent: ((lead_mm / measured_mm - 1.0) * 1e4).round() / 100.0 }))
        .filter(|(_, m)| m.off_percent.abs() <= NEAR * 100.0)
        .collect();
    near.sort_by(|a, b| a.0.cmp(&b.0).then(a.1.off_percent.abs().total_cmp(&b.1.off_percent.abs())));
    near.truncate(NAMED);
    near.into_iter().map(|(_, m)| m).collect()
}

/// Things of the same train changed about.
fn changed_about(train: &Train, voice: Voice, say: &mut impl FnMut(u8, String, &Train)) {
    let pairs = train.drivers.len();
    for i in 0..pairs {
        let mut swapped = train.clone();
        std::mem::swap(&mut swapped.drivers[i], &mut swapped.driven[i]);
        let (driver, driven) = (train.drivers[i].teeth, train.driven[i].teeth);
        let text = if pairs == 1 { say!(voice, "hung-changed-about") } else { say!(voice, "hung-pair-changed-about", driver = driver, driven = driven) };
        say(0, text, &swapped);
    }
    if pairs > 1 {
        say(0, say!(voice, "hung-other-way-round"), &Train { drivers: train.driven.clone(), driven: train.drivers.clone(), gearbox: train.gearbox });
        for i in 0..pairs {
            for j in (0..pairs).filter(|j| *j != i) {
                // The gear of one stud on another's shaft: a driver where a driven should be, across pairs.
                let mut crossed = train.clone();
                std::mem::swap(&mut crossed.drivers[i], &mut crossed.driven[j]);
                say(1, say!(voice, "hung-on-each-others", one = train.drivers[i].teeth, other = train.driven[j].teeth), &crossed);
            }
        }
        for i in 0..pairs {
            let mut idle = train.clone();
            idle.drivers.remove(i);
            idle.driven.remove(i);
            say(1, say!(voice, "hung-left-out", one = train.drivers[i].teeth, other = train.driven[i].teeth), &idle);
        }
    }
}

/// Another lever, or a gear taken for another.
fn taken_for_others(lathe: &Drive, train: &Train, voice: Voice, say: &mut impl FnMut(u8, String, &Train)) {
    for (i, position) in lathe.gearbox.iter().enumerate().filter(|(i, _)| *i != train.gearbox) {
        say(1, say!(voice, "hung-lever-at", lever = &position.name), &Train { gearbox: i, ..train.clone() });
    }
    let mut other: Vec<u16> = lathe.gears.iter().map(|g| g.teeth).collect();
    other.sort_unstable();
    other.dedup();
    for (i, (driver, driven)) in train.drivers.iter().zip(&train.driven).enumerate() {
        for teeth in other.iter().copied() {
            if teeth != driver.teeth {
                let mut t = train.clone();
                t.drivers[i] = Gear { teeth, ..*driver };
                say(2, say!(voice, "hung-for-driver", teeth = &teeth, driver = &driver.teeth), &t);
            }
            if teeth != driven.teeth {
                let mut t = train.clone();
                t.driven[i] = Gear { teeth, ..*driven };
                say(2, say!(voice, "hung-for-driven", teeth = &teeth, driven = &driven.teeth), &t);
            }
        }
    }
}

/// The answer in one sentence.
pub fn says(lathe: &Drive, train: &Train, measured_mm: f64, found: &[Mistake], voice: Voice) -> String {
    let right = real(&(train.ratio(lathe) * lathe.leadscrew));
    if (measured_mm / right - 1.0).abs() < NEAR / 4.0 {
        return say!(voice, "hung-as-meant");
    }
    match found {
        [] => {
            say!(voice, "hung-no-mistake", measured = voice.length(measured_mm))
        }
        [first, ..] => say!(voice, "hung-likeliest", mistake = &first.says),
    }
}
