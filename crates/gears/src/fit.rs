//! Whether a train hangs: every pair of gears and shafts tested on the arm, or the bench rule where no arm is
//! described.

use super::arrange::goes_together;
use super::layout::{Idler, LayoutFault, Mesh, chain, module, place, tip_radius};
use crate::drive::{Arm, Drive, Gear, Place};
use crate::hindrance::{Beside, Clearance, Hindrance, Unplaced};
use crate::outline::Point;
use crate::train::Train;

/// Which way the leadscrew must turn, where the tumbler cannot choose it.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Sense {
    /// The same way as the spindle: an even count of meshes.
    With,
    /// The other way: an odd count.
    Against,
}

/// What was found of a train on this drive.
#[derive(Debug, Clone, PartialEq, Default)]
pub struct Fit {
    /// Whether it hangs; by geometry, or by the bench rule when none is known.
    pub hangs: bool,
    /// Whether that is by geometry.
    pub by_geometry: bool,
    /// Whether it was tried, on an arm nobody measured.
    pub seen: bool,
    /// Which of the arms it hangs on: nought the first.
    pub arm: usize,
    /// Idlers put in to bridge a gap or to turn the leadscrew the right way.
    pub idlers: Vec<Idler>,
    /// What is in the way.
    pub why_not: Option<Hindrance>,
    /// The meshes, spindle end first.
    pub meshes: Vec<Mesh>,
    /// The shafts, spindle stud first, mm from the leadscrew; empty when it cannot be placed.
    pub shafts: Vec<Point>,
    /// Room between what must not touch, the tightest first.
    pub clearances: Vec<Clearance>,
}

impl Fit {
    /// The arm it hangs on, or was tried on first.
    #[must_use]
    pub fn on_arm<'a>(&self, drive: &'a Drive) -> Option<&'a Arm> {
        if self.arm == 0 { drive.arm.as_ref() } else { drive.more_arms.get(self.arm - 1) }
    }
}

/// Play left between things that must not touch, mm.
const PLAY_MM: f64 = 1.0;
/// Shaft or nut radius taken by the bench rule when the arm is not described, mm.
const BENCH_SHAFT_MM: f64 = 12.0;

/// Tries a train in the order given: driver 1 meshes driven 1, which carries driver 2 on its stud. `spare` are the
/// gears left in the drawer, for idlers; `sense` the way the leadscrew must turn, where only idlers can see to it.
#[must_use]
pub fn hangs(drive: &Drive, train: &Train, spare: &[Gear], sense: Option<Sense>) -> Fit {
    let refused = |why: Hindrance| Fit { by_geometry: drive.arm.is_some(), why_not: Some(why), ..Fit::default() };
    if drive.gears_fixed && train.drivers.is_empty() && train.driven.is_empty() {
        return Fit { hangs: true, by_geometry: true, ..Fit::default() };
    }
    if train.drivers.len() != train.driven.len() || train.drivers.is_empty() {
        return refused(Hindrance::Unpaired);
    }
    if !goes_together(&train.drivers, &train.driven) {
        return refused(why_not_together(train));
    }
    let loose = train.drivers.iter().skip(1).filter(|g| g.piece == 0).count();
    if let Some(bushes) = drive.bushes.filter(|b| loose > usize::from(*b)) {
        return refused(Hindrance::NoBush(bushes));
    }
    let Some(arm) = &drive.arm else {
        return match drive.seen(&train.drivers, &train.driven) {
            Some(hangs) => Fit { hangs, seen: true, why_not: (!hangs).then_some(Hindrance::SeenNot), meshes: chain(train, &[]), ..Fit::default() },
            None => by_the_bench_rule(drive, train),
        };
    };
    // What is said of one that hangs on none is what the first lacks.
    let first = on_one_arm(drive, arm, train, spare, sense);
    if first.hangs {
        return first;
    }
    let others = drive.more_arms.iter().enumerate().map(|(i, arm)| Fit { arm: i + 1, ..on_one_arm(drive, arm, train, spare, sense) });
    others.into_iter().find(|fit| fit.hangs).unwrap_or(first)
}

/// Tries a train on one arm, with as many idlers as it has studs for.
fn on_one_arm(drive: &Drive, arm: &Arm, train: &Train, spare: &[Gear], sense: Option<Sense>) -> Fit {
    let refused = |why: Hindrance| Fit { by_geometry: true, why_not: Some(why), ..Fit::default() };
    if arm.idlers_only && train.drivers.len() > 1 {
        return refused(Hindrance::IdlerArm);
    }
    let pairs = train.drivers.len();
    let serves = |meshes: usize| sense.is_none_or(|s| meshes.is_multiple_of(2) == (s == Sense::With));
    let mut first: Option<Fit> = None;
    // The plain chain, then with one idler, then two, as far as there are studs for them.
    for count in 0..=2 {
        if pairs - 1 + count > usize::from(arm.studs) {
            break;
        }
        if !serves(pairs + count) {
            continue;
        }
        for idlers in idler_choices(train, spare, count) {
            let fit = on_the_arm(drive, arm, train, idlers);
            if fit.hangs {
                return fit;
            }
            // What is said of it is what the plain chain lacks, or the last idler tried.
            if first.is_none() || count > 0 {
                first = Some(fit);
            }
        }
        // An idler lengthens a chain; it mends nothing that fouls.
        if first.as_ref().is_some_and(|f| f.idlers.is_empty() && !f.shafts.is_empty()) && sense.is_none() {
            break;
        }
    }
    first.unwrap_or_else(|| refused(Hindrance::NoIdlerLeft))
}

/// Why an order of gears cannot be put together.
fn why_not_together(train: &Train) -> Hindrance {
    if train.drivers.iter().zip(&train.driven).any(|(a, b)| a.group != b.group) {
        return Hindrance::OtherModule;
    }
    let bound = |gear: &Gear, place: Place| (!gear.goes_on(place)).then_some(Hindrance::GoesNotOn(gear.teeth, place));
    let last = train.driven.len() - 1;
    let (first, end) = (&train.drivers[0], &train.driven[last]);
    bound(first, Place::Spindle)
        .or_else(|| bound(end, Place::Leadscrew))
        .or_else(|| train.drivers[1..].iter().chain(&train.driven[..last]).find_map(|g| bound(g, Place::Stud)))
        .unwrap_or(Hindrance::Parted)
}

/// The idlers to try, `count` of them, smallest first: loose ones of the module of the mesh they stand in.
fn idler_choices(train: &Train, spare: &[Gear], count: usize) -> Vec<Vec<Idler>> {
    if count == 0 {
        return vec![Vec::new()];
    }
    let mut kinds: Vec<Gear> = spare.iter().copied().filter(|g| g.piece == 0 && g.goes_on(Place::Stud)).collect();
    let all = kinds.clone();
    kinds.dedup();
    let owned = |gear: &Gear| all.iter().filter(|g| *g == gear).count();
    let places = train.drivers.iter().enumerate();
    let ones: Vec<Idler> =
        places.flat_map(|(between, driver)| kinds.iter().filter(|g| g.group == driver.group).map(move |gear| Idler { between, gear: *gear })).collect();
    if count == 1 {
        return ones.into_iter().map(|i| vec![i]).collect();
    }
    ones.iter()
        .enumerate()
        .flat_map(|(i, a)| ones[i..].iter().map(move |b| vec![*a, *b]))
        .filter(|pair| pair[0].gear != pair[1].gear || owned(&pair[0].gear) > 1)
        .collect()
}

/// A chain placed on the arm and every pair tested.
fn on_the_arm(drive: &Drive, arm: &Arm, train: &Train, idlers: Vec<Idler>) -> Fit {
    let meshes = chain(train, &idlers);
    let fit = Fit { by_geometry: true, idlers, ..Fit::default() };
    let shafts = match place(drive, &meshes, arm.centres_mm, Some(arm.reach_mm)) {
        Ok(shafts) => shafts,
        Err(amiss) => return Fit { why_not: Some(unplaced(drive, arm, amiss, &fit.idlers, &meshes)), meshes, ..fit },
    };
    let mut clearances = clearances(drive, arm, &meshes, &shafts);
    clearances.sort_by(|a, b| a.mm.total_cmp(&b.mm));
    let fouls = clearances.first().filter(|c| c.mm <= PLAY_MM + 1e-6).map(|c| Hindrance::Fouls(*c, PLAY_MM));
    Fit { hangs: fouls.is_none(), why_not: fouls, meshes, shafts, clearances, ..fit }
}

/// Why a chain cannot be placed.
fn unplaced(drive: &Drive, arm: &Arm, amiss: LayoutFault, idlers: &[Idler], meshes: &[Mesh]) -> Hindrance {
    let [near, far] = arm.reach_mm;
    let why = match amiss {
        LayoutFault::Short(by) => Unplaced::Short(by, arm.centres_mm),
        LayoutFault::Unequal => Unplaced::Unequal(arm.centres_mm),
        LayoutFault::OutOfSlot(at) if at < near => Unplaced::InsideSlot(at, near),
        LayoutFault::OutOfSlot(at) => Unplaced::PastSlot(at, far),
        LayoutFault::Direct(off) => match meshes.first() {
            Some(m) if tip_radius(drive, m.driver) + tip_radius(drive, m.driven) + PLAY_MM > arm.centres_mm => {
                let foul = tip_radius(drive, m.driver) + tip_radius(drive, m.driven) - arm.centres_mm;
                Unplaced::FoulEachOther(m.driver.teeth, m.driven.teeth, foul.max(0.0))
            }
            _ => Unplaced::TwoMesh(off),
        },
    };
    Hindrance::Unplaced(idlers.iter().map(|i| i.gear.teeth).collect(), why)
}

/// Room between every gear and every shaft it does not stand on, and between every two gears of one plane that do not
/// mesh. A gear is let near a shaft whose own gear it meshes with.
fn clearances(drive: &Drive, arm: &Arm, meshes: &[Mesh], shafts: &[Point]) -> Vec<Clearance> {
    let apart = |i: usize, j: usize| (shafts[i][0] - shafts[j][0]).hypot(shafts[i][1] - shafts[j][1]);
    // Gears as they stand: shaft, plane, gear. A compound stud carries two, an idler one.
    let mut gears: Vec<(usize, u8, Gear)> = Vec::new();
    for (i, mesh) in meshes.iter().enumerate() {
        for one in [(i, mesh.plane, mesh.driver), (i + 1, mesh.plane, mesh.driven)] {
            if !gears.contains(&one) {
                gears.push(one);
            }
        }
    }
    let in_mesh = |a: &(usize, u8, Gear), b: &(usize, u8, Gear)| a.1 == b.1 && a.0.abs_diff(b.0) == 1 && meshes[a.0.min(b.0)].plane == a.1;
    let mut list = Vec::new();
    for (n, one) in gears.iter().enumerate() {
        for shaft in (0..shafts.len()).filter(|s| *s != one.0) {
            if !gears.iter().any(|other| other.0 == shaft && in_mesh(one, other)) {
                let mm = apart(one.0, shaft) - tip_radius(drive, one.2) - arm.shaft_radius_mm;
                list.push(Clearance { of: one.2.teeth, to: Beside::shaft(shaft, shafts.len()), mm });
            }
        }
        for other in gears[n + 1..].iter().filter(|o| o.1 == one.1 && o.0 != one.0 && !in_mesh(one, o)) {
            let mm = apart(one.0, other.0) - tip_radius(drive, one.2) - tip_radius(drive, other.2);
            list.push(Clearance { of: one.2.teeth, to: Beside::Gear(other.2.teeth), mm });
        }
    }
    list
}

/// The bench rule for the chain, from the same clearances without knowing the centres: each pair must span more than the
/// pair beside it by the room a shaft takes.
fn by_the_bench_rule(drive: &Drive, train: &Train) -> Fit {
    let meshes = chain(train, &[]);
    let k = |gear: Gear| 2.0 + 2.0 * (BENCH_SHAFT_MM + PLAY_MM) / module(drive, gear);
    let span = |i: usize| f64::from(train.drivers[i].teeth + train.driven[i].teeth);
    for i in 1..train.drivers.len() {
        let (b, c) = (train.driven[i - 1], train.drivers[i]);
        // The gear on the stud must pass the shaft at the far end of its neighbour's mesh.
        if span(i - 1) < f64::from(c.teeth) + k(c) || span(i) < f64::from(b.teeth) + k(b) {
            let (first, last) = (train.drivers[i - 1].teeth, train.driven[i].teeth);
            let why = Hindrance::NoRoom([first, b.teeth, c.teeth, last]);
            return Fit { why_not: Some(why), meshes, ..Fit::default() };
        }
    }
    Fit { hangs: true, meshes, ..Fit::default() }
}
