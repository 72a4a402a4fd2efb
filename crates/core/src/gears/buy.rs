//! Gears to make or buy: what serves already, exactly or well enough; else the one that brings most of the pitches wanted, and the best two.

use crate::job::{Drive, Gear, Lathe};
use crate::quantity::{Exact, LengthUnit, Ratio, pitch_of_tpi, plain_text, real, short_text};
use crate::say;
use crate::voice::Voice;
use crate::working::Quantity;
use serde::Serialize;
use yoke_gears::search::{Found, Wanted, search};
use yoke_gears::table::Table;
use yoke_gears::train::counts;

/// A gear to make: its blank card.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct BlankCard {
    /// Teeth.
    pub teeth: u16,
    /// Its module, mm.
    pub module_mm: f64,
    /// Outside diameter, m(z + 2).
    pub outside_mm: Quantity,
    /// Whole depth of a tooth, 2.25 m unless the cutter is marked otherwise.
    pub depth_mm: Quantity,
    /// Dividing: turns of a 40:1 head a tooth.
    pub dividing: String,
    /// Pressure angle of its group, degrees, where it was told.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub pressure_angle_deg: Option<f64>,
    /// Bore, where that of the gears owned was told.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub bore_mm: Option<Quantity>,
    /// Width of its key.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub key_mm: Option<Quantity>,
    /// Width of its face.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub face_mm: Option<Quantity>,
    /// The rest in words.
    pub says: String,
}

/// A pitch that is cut well enough with the gears owned, though not exactly.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Serves {
    /// The pitch.
    pub pitch: String,
    /// The least error any train that hangs cuts it with, parts per million.
    pub error_ppm: f64,
    /// The same in words, with the train.
    pub says: String,
}

/// A purchase, and what it brings.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Purchase {
    /// The gears, with their blank cards.
    pub gears: Vec<BlankCard>,
    /// Pitches cut exactly, or within the error allowed, with them that are not without.
    pub brings: Vec<String>,
    /// How many of those wanted are then cut so.
    pub covered: usize,
}

/// What to make or buy.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Purchases {
    /// How many pitches are wanted.
    pub wanted: usize,
    /// The error allowed, parts per million; nought where only an exact train will do.
    pub within_ppm: f64,
    /// How many are cut exactly, or within it, now, by a train that hangs.
    pub covered: usize,
    /// Those of them that are not exact.
    pub serves: Vec<Serves>,
    /// Those that are not.
    pub missing: Vec<String>,
    /// Single gears, the one that brings most first.
    pub singles: Vec<Purchase>,
    /// The best two together, where two bring more than one.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub pair: Option<Purchase>,
}

/// Teeth a gear to make may have: smaller ones are undercut, larger ones seldom fit. House values.
const TEETH: std::ops::RangeInclusive<u16> = 18..=130;
/// Single gears listed, and the ones a second is sought for.
const LISTED: usize = 5;

/// Most pitches of a list of one's own.
const MOST: usize = 40;

/// Reads a list of pitches wanted: `1.25 mm, 11.5 TPI, 2 x 5 TPI`, the last a thread of two starts. A number alone is in `otherwise`.
///
/// # Errors
/// What is wrong with the first that cannot be read, and what would be right.
pub fn pitches_wanted(text: &str, otherwise: LengthUnit, voice: Voice) -> Result<Vec<(String, Ratio)>, String> {
    let list: Vec<&str> = text.split([',', ';', '\n']).map(str::trim).filter(|t| !t.is_empty()).collect();
    if list.is_empty() || list.len() > MOST {
        return Err(say!(voice, "buy-name-pitches", most = MOST));
    }
    list.into_iter().map(|one| pitch_wanted(one, otherwise).ok_or_else(|| say!(voice, "buy-not-a-pitch", one = one))).collect()
}

fn pitch_wanted(text: &str, otherwise: LengthUnit) -> Option<(String, Ratio)> {
    let lower = text.to_lowercase();
    let (starts, rest) = lower.split_once(['x', '×']).map_or((1, lower.as_str()), |(n, rest)| (n.trim().parse::<u8>().unwrap_or(0), rest));
    let rest = rest.trim();
    let (number, unit) = match (rest.strip_suffix("tpi"), rest.strip_suffix("mm")) {
        (Some(n), _) => (n, LengthUnit::In),
        (_, Some(n)) => (n, LengthUnit::Mm),
        _ => (rest, otherwise),
    };
    let Exact(value) = Exact::parse(number)?;
    // Within what a lathe cuts, so that nothing overflows.
    (1..=12).contains(&starts).then_some(())?;
    (0.01..=200.0).contains(&real(&value)).then_some(())?;
    let (pitch, word) = if unit == LengthUnit::In { (pitch_of_tpi(&value), "TPI") } else { (value, "mm") };
    let times = if starts > 1 { format!("{starts} × ") } else { String::new() };
    Some((format!("{times}{} {word}", short_text(real(&value), 4)), pitch * Ratio::from_integer(starts.into())))
}

/// Trains looked at for the closest that hangs, where one need not be exact.
const LOOKED_AT: usize = 24;

/// The train that hangs and cuts a lead with the least error allowed, if one does.
fn closest(drive: &Drive, table: &Table, lead: &Ratio, within: f64) -> Option<Found> {
    let limit = if within > 0.0 { LOOKED_AT } else { 1 };
    let wanted = Wanted { limit, max_error: Some(within), ..Wanted::default() };
    let found = search(drive, table, &(*lead / drive.leadscrew), &wanted).1;
    found.into_iter().filter(|f| f.fit.hangs).min_by(|a, b| off(a, drive, lead).total_cmp(&off(b, drive, lead)))
}

/// Relative error of a train for a lead.
fn off(found: &Found, drive: &Drive, lead: &Ratio) -> f64 {
    (real(&(found.ratio * drive.leadscrew / lead)) - 1.0).abs()
}

/// The drive of the lathe with these gears more, of the group that has most.
fn with(lathe: &Lathe, extra: &[u16]) -> Drive {
    let group = main_group(lathe);
    let mut more = lathe.drive.clone();
    more.gears.extend(extra.iter().map(|t| Gear::loose(*t, group)));
    more
}

/// The group most of the gears belong to.
fn main_group(lathe: &Lathe) -> u8 {
    let count = |group: u8| lathe.gears.iter().filter(|g| g.group == group).count();
    lathe.gears.iter().map(|g| g.group).max_by_key(|g| (count(*g), std::cmp::Reverse(*g))).unwrap_or(0)
}

/// The pitches of `leads` a purchase newly covers.
fn brought(lathe: &Lathe, extra: &[u16], missing: &[(String, Ratio)], within: f64) -> Vec<String> {
    let more = with(lathe, extra);
    let table = Table::of(&more);
    missing.iter().filter(|(_, lead)| closest(&more, &table, lead, within).is_some()).map(|(name, _)| name.clone()).collect()
}

/// What to make or buy so that these pitches are cut exactly, or with no more error than `within`, a share.
#[must_use]
pub fn purchases(lathe: &Lathe, wanted: &[(String, Ratio)], within: f64, voice: Voice) -> Purchases {
    purchases_while(lathe, wanted, within, &|| true, voice)
}

/// The same, its search cut short as soon as nobody waits for it: what it then says is not all there is.
#[must_use]
pub fn purchases_while(lathe: &Lathe, wanted: &[(String, Ratio)], within: f64, waited_for: &dyn Fn() -> bool, voice: Voice) -> Purchases {
    let table = Table::of(lathe);
    let (mut have, mut missing, mut serves) = (0, Vec::new(), Vec::new());
    for (name, lead) in wanted {
        match closest(lathe, &table, lead, within) {
            None => missing.push((name.clone(), *lead)),
            Some(found) => {
                have += 1;
                serves.extend(well_enough(name, &found, lathe, lead, voice));
            }
        }
    }
    let mut singles: Vec<(u16, Vec<String>)> = if missing.is_empty() {
        Vec::new()
    } else {
        TEETH.take_while(|_| waited_for()).map(|teeth| (teeth, brought(lathe, &[teeth], &missing, within))).filter(|(_, brings)| !brings.is_empty()).collect()
    };
    // The most pitches, then the smallest gear.
    singles.sort_by(|a, b| b.1.len().cmp(&a.1.len()).then(a.0.cmp(&b.0)));
    singles.truncate(LISTED);
    let best_alone = singles.first().map_or(0, |s| s.1.len());
    let firsts: Vec<u16> = singles.iter().map(|s| s.0).collect();
    let pair = (best_alone < missing.len())
        .then(|| {
            let pairs = firsts.iter().flat_map(|one| TEETH.map(move |other| [*one, other]));
            pairs
                .take_while(|_| waited_for())
                .map(|pair| (pair, brought(lathe, &pair, &missing, within)))
                .max_by(|a, b| a.1.len().cmp(&b.1.len()).then_with(|| b.0.iter().sum::<u16>().cmp(&a.0.iter().sum::<u16>())))
        })
        .flatten()
        .filter(|(_, brings)| brings.len() > best_alone);
    let purchase =
        |teeth: &[u16], brings: Vec<String>| Purchase { gears: teeth.iter().map(|t| card(lathe, *t, voice)).collect(), covered: have + brings.len(), brings };
    Purchases {
        wanted: wanted.len(),
        within_ppm: within * 1e6,
        covered: have,
        serves,
        missing: missing.iter().map(|m| m.0.clone()).collect(),
        singles: singles.into_iter().map(|(teeth, brings)| purchase(&[teeth], brings)).collect(),
        pair: pair.map(|(teeth, brings)| purchase(&teeth, brings)),
    }
}

/// What a train that is not exact comes to, for a pitch it serves.
fn well_enough(pitch: &str, found: &Found, lathe: &Lathe, lead: &Ratio, voice: Voice) -> Option<Serves> {
    let ppm = off(found, lathe, lead) * 1e6;
    let list = |gears: &[Gear]| counts(&gears.iter().map(|g| g.teeth).collect::<Vec<_>>());
    let (drivers, driven) = (list(&found.train.drivers), list(&found.train.driven));
    let says = || {
        if drivers.is_empty() {
            say!(voice, "buy-serves-by-levers", pitch = pitch, ppm = plain_text(ppm, 1))
        } else {
            say!(voice, "buy-serves", pitch = pitch, drivers = &drivers, driven = &driven, ppm = plain_text(ppm, 1))
        }
    };
    (found.ratio * lathe.leadscrew != *lead).then(|| Serves { pitch: pitch.to_owned(), error_ppm: ppm, says: says() })
}

/// An old pressure angle, whose teeth are cut a little less deep, degrees.
const OLD_ANGLE_DEG: f64 = 14.5;

/// Whole depth of a tooth, mm, where the cutter is not marked: 2.25 m; finer than 20 DP 2.2/DP and two thou for dirt; at 14½° 2.157/DP.
fn whole_depth(module: f64, angle: Option<f64>) -> f64 {
    let dp = 25.4 / module;
    if angle.is_some_and(|a| (a - OLD_ANGLE_DEG).abs() < 0.1) {
        return 2.157 / dp * 25.4;
    }
    if dp >= 20.0 - 1e-9 && (dp - dp.round()).abs() < 1e-9 { (2.2 / dp + 0.002) * 25.4 } else { 2.25 * module }
}

/// The blank card of a gear.
#[must_use]
pub fn card(lathe: &Lathe, teeth: u16, voice: Voice) -> BlankCard {
    let group = usize::from(main_group(lathe));
    let module = lathe.modules.get(group).copied().unwrap_or(1.0);
    let (dp, blank) = (25.4 / module, &lathe.gear_blank);
    let angle = lathe.pressure_angles.get(group).copied().flatten().or(blank.pressure_angle_deg);
    let depth = blank.depth_mm.unwrap_or_else(|| whole_depth(module, angle));
    let turns = Ratio::new(40, i128::from(teeth));
    let (whole, rest) = (turns.trunc(), turns.fract());
    let part = if rest == Ratio::from_integer(0) { String::new() } else { format!("{}/{}", rest.numer(), rest.denom()) };
    let dividing = match (*whole.numer(), part.as_str()) {
        (n, "") => say!(voice, "buy-turns", n = n),
        (0, part) => say!(voice, "buy-part", part = part),
        (n, part) => say!(voice, "buy-turns-and-part", n = n, part = part),
    };
    let angle_text = angle.map_or_else(|| "none".to_owned(), |a| short_text(a, 1));
    let bore = match (blank.bore_mm, blank.key_mm) {
        (Some(_), Some(_)) => "both",
        (Some(_), None) => "bore",
        _ => "none",
    };
    let mm = |v: Option<f64>| v.map_or_else(String::new, |v| voice.given(v));
    let [bored, keyed] = [mm(blank.bore_mm), mm(blank.key_mm)];
    let marked = if blank.depth_mm.is_some() { "yes" } else { "no" };
    let name = if (dp - dp.round()).abs() < 1e-9 {
        say!(voice, "buy-of-dp", teeth = teeth, dp = plain_text(dp, 0), angle = angle_text, told = bore, bore = bored, key = keyed, marked = marked)
    } else {
        say!(voice, "buy-of-module", teeth = teeth, module = short_text(module, 2), angle = angle_text, told = bore, bore = bored, key = keyed, marked = marked)
    };
    let quantity = |v: Option<f64>| v.map(|mm| Quantity::given(voice, mm));
    BlankCard {
        teeth,
        module_mm: module,
        outside_mm: Quantity::length(voice, module * f64::from(teeth + 2)),
        depth_mm: Quantity::length(voice, depth),
        dividing,
        pressure_angle_deg: angle,
        bore_mm: quantity(blank.bore_mm),
        key_mm: quantity(blank.key_mm),
        face_mm: quantity(blank.face_mm),
        says: name,
    }
}
