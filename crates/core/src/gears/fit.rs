//! Whether a train hangs: mesh, reach and clearance on the arm, or the bench rule.

use super::search::Train;
use crate::job::{Gear, Lathe};

/// What was found of a train on this lathe.
#[derive(Debug, Clone, PartialEq, Default)]
pub struct Fit {
    /// Whether it hangs; by geometry, or by the bench rule when none is known.
    pub hangs: bool,
    /// Whether that is by geometry.
    pub by_geometry: bool,
    /// Idler used to bridge a simple train.
    pub idler: Option<u16>,
    /// What is in the way, in words.
    pub why_not: Option<String>,
}

/// Play left between things that must not touch, mm.
const PLAY_MM: f64 = 1.0;
/// How near the centre distance of a direct mesh must be, mm.
const DIRECT_MESH_MM: f64 = 0.25;
/// Shaft or nut radius taken by the bench rule when the arm is not described, mm.
const BENCH_SHAFT_MM: f64 = 12.0;

fn module(lathe: &Lathe, gear: Gear) -> f64 {
    lathe.modules.get(usize::from(gear.group)).copied().unwrap_or(1.0)
}

/// Centre distance of a mesh, mm: m(z1 + z2)/2.
pub(super) fn centres(lathe: &Lathe, one: Gear, two: Gear) -> f64 {
    module(lathe, one) * f64::from(one.teeth + two.teeth) / 2.0
}

/// Outside radius of a gear, mm: m(z + 2)/2.
fn tip_radius(lathe: &Lathe, gear: Gear) -> f64 {
    module(lathe, gear) * f64::from(gear.teeth + 2) / 2.0
}

/// Whether gears of each mesh belong together.
pub(super) fn meshes(train: &Train) -> bool {
    train.drivers.len() == 1 || train.drivers.iter().zip(&train.driven).all(|(a, b)| a.group == b.group)
}

/// Tries a train in the order given: driver 1 meshes driven 1, which carries driver 2 on its stud.
/// `spare` are the gears left in the drawer, for an idler.
#[must_use]
pub fn hangs(lathe: &Lathe, train: &Train, spare: &[Gear]) -> Fit {
    if !meshes(train) {
        return refused("gears that must mesh are of different module", lathe);
    }
    match (train.drivers.as_slice(), train.driven.as_slice()) {
        (&[a], &[d]) => simple(lathe, a, d, spare),
        (&[a, c], &[b, d]) => compound(lathe, [a, b, c, d]),
        _ => Fit { hangs: false, by_geometry: false, idler: None, why_not: Some("six-gear trains are not placed on the arm yet".into()) },
    }
}

fn refused(why: impl Into<String>, lathe: &Lathe) -> Fit {
    Fit { hangs: false, by_geometry: lathe.arm.is_some(), idler: None, why_not: Some(why.into()) }
}

/// One stud carrying gears that reach the spindle stud at `r1` and the leadscrew at `r2`.
fn stud_stands(lathe: &Lathe, r1: f64, r2: f64) -> Result<(), String> {
    let Some(arm) = &lathe.arm else { return Ok(()) };
    let c = arm.centres_mm;
    if r1 + r2 <= c {
        return Err(format!("the gears fall {:.1} mm short of bridging the {c:.0} mm between shafts", c - r1 - r2));
    }
    if (r1 - r2).abs() >= c {
        return Err(format!("the gears are too unequal to close the triangle on {c:.0} mm centres"));
    }
    let [near, far] = arm.reach_mm;
    if r2 < near {
        return Err(format!("the stud would stand {r2:.1} mm from the leadscrew, inside the slot's {near:.0}"));
    }
    if r2 > far {
        return Err(format!("the stud would stand {r2:.1} mm from the leadscrew, past the slot's {far:.0}"));
    }
    Ok(())
}

fn simple(lathe: &Lathe, a: Gear, d: Gear, spare: &[Gear]) -> Fit {
    let Some(arm) = &lathe.arm else {
        return Fit { hangs: true, by_geometry: false, idler: None, why_not: None };
    };
    let hung = |idler| Fit { hangs: true, by_geometry: true, idler, why_not: None };
    if a.group == d.group && (centres(lathe, a, d) - arm.centres_mm).abs() <= DIRECT_MESH_MM {
        return hung(None);
    }
    let gap = arm.centres_mm - tip_radius(lathe, a) - tip_radius(lathe, d) - PLAY_MM;
    if gap <= 0.0 {
        return refused(format!("the {} and the {} foul each other by {:.1} mm", a.teeth, d.teeth, PLAY_MM - gap), lathe);
    }
    let mut why = "no gear is left for an idler".to_owned();
    for idler in spare.iter().filter(|i| i.group == a.group && i.group == d.group) {
        match stud_stands(lathe, centres(lathe, a, *idler), centres(lathe, *idler, d)) {
            Ok(()) => return hung(Some(idler.teeth)),
            Err(reason) => why = format!("no idler left bridges it; with the {}, {reason}", idler.teeth),
        }
    }
    refused(why, lathe)
}

fn compound(lathe: &Lathe, [a, b, c, d]: [Gear; 4]) -> Fit {
    let Some(arm) = &lathe.arm else {
        // The bench rule for a/b · c/d, from the same two clearances without knowing the centres.
        let k = 2.0 + 2.0 * (BENCH_SHAFT_MM + PLAY_MM) / module(lathe, a);
        let [za, zb, zc, zd] = [a, b, c, d].map(|g| f64::from(g.teeth));
        return if za + zb >= zc + k && zc + zd >= zb + k {
            Fit { hangs: true, by_geometry: false, idler: None, why_not: None }
        } else {
            refused(format!("by the bench rule {} + {} and {} + {} leave no room for the shafts", a.teeth, b.teeth, c.teeth, d.teeth), lathe)
        };
    };
    let (r1, r2) = (centres(lathe, a, b), centres(lathe, c, d));
    if let Err(why) = stud_stands(lathe, r1, r2) {
        return refused(why, lathe);
    }
    let shaft = arm.shaft_radius_mm + PLAY_MM;
    let foul_screw = tip_radius(lathe, b) + shaft - r2;
    if foul_screw >= 0.0 {
        return refused(format!("the {} fouls the leadscrew shaft by {foul_screw:.1} mm", b.teeth), lathe);
    }
    let foul_stud = tip_radius(lathe, c) + shaft - r1;
    if foul_stud >= 0.0 {
        return refused(format!("the {} fouls the spindle stud by {foul_stud:.1} mm", c.teeth), lathe);
    }
    Fit { hangs: true, by_geometry: true, idler: None, why_not: None }
}
