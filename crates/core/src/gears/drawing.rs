//! The train on its arm, to scale: pitch circles, tooth counts, directions.

use super::fit::centres;
use super::search::Found;
use crate::job::{Gear, Lathe};
use crate::outline::{Drawing, Point, Shape};
use crate::setup::Direction;

/// Where circles of `r1` about `one` and `r2` about `two` meet, above the line between them; the
/// nearest sensible place when they do not.
fn meet(one: Point, two: Point, r1: f64, r2: f64) -> Point {
    let (dx, dy) = (two[0] - one[0], two[1] - one[1]);
    let c = dx.hypot(dy).max(1e-6);
    let along = (r1 * r1 - r2 * r2 + c * c) / (2.0 * c);
    let across = (r1 * r1 - along * along).max(0.0).sqrt();
    let (ux, uy) = (dx / c, dy / c);
    [one[0] + along * ux - across * uy, one[1] + along * uy + across * ux]
}

/// Draws the train seen from the gear end, leadscrew below left, stud above right of it.
pub(super) fn train(lathe: &Lathe, found: &Found, direction: &Direction) -> Drawing {
    let gears = chain(lathe, found);
    let module = |g: Gear| lathe.modules.get(usize::from(g.group)).copied().unwrap_or(1.0);
    let radius = |g: Gear| module(g) * f64::from(g.teeth) / 2.0;
    // Shafts: spindle stud, studs between, leadscrew. Consecutive distances are mesh centres.
    let meshes: Vec<f64> = gears.iter().map(|(one, two)| centres(lathe, *one, *two)).collect();
    let shafts = place(lathe, &meshes);
    let mut shapes = Vec::new();
    if let [first, .., last] = shafts.as_slice() {
        shapes.push(Shape::open("arm.line", vec![*first, *last]));
    }
    for pair in shafts.windows(2) {
        shapes.push(Shape::open("mesh.centres", pair.to_vec()));
    }
    // The leadscrew must turn as the hand asks; every mesh before it turns the other way.
    let screw_turns: i8 = if direction.screw_with_spindle { -1 } else { 1 };
    let count = gears.len();
    let mut words = Vec::new();
    for (i, (one, two)) in gears.iter().enumerate() {
        let turns = |shaft: usize| if (count - shaft).is_multiple_of(2) { screw_turns } else { -screw_turns };
        let plane = if i == 0 || found.train.drivers.len() == 1 { "inner" } else { "outer" };
        let role = |idler: bool, driver: bool| match (idler, driver, plane) {
            (true, ..) => "gear.idler",
            (_, true, "inner") => "gear.driver.inner",
            (_, true, _) => "gear.driver.outer",
            (_, false, "inner") => "gear.driven.inner",
            (_, false, _) => "gear.driven.outer",
        };
        let idler_at = |shaft: usize| found.train.drivers.len() == 1 && count == 2 && shaft == 1;
        if let (Some(from), Some(to)) = (shafts.get(i), shafts.get(i + 1)) {
            if !(idler_at(i)) {
                shapes.push(Shape::circle(role(false, true), *from, radius(*one)).labelled(one.teeth.to_string()).turning(turns(i)));
            }
            shapes.push(Shape::circle(role(idler_at(i + 1), false), *to, radius(*two)).labelled(two.teeth.to_string()).turning(turns(i + 1)));
        }
        words.push(format!("{} drives {}", one.teeth, two.teeth));
    }
    let shaft_radius = lathe.arm.as_ref().map_or(8.0, |a| a.shaft_radius_mm);
    for (i, at) in shafts.iter().enumerate() {
        let name = if i == 0 {
            "stud"
        } else if i + 1 == shafts.len() {
            "screw"
        } else {
            "arm"
        };
        shapes.push(Shape::circle("shaft", *at, shaft_radius.min(10.0)).labelled(name));
    }
    let extent = |pick: fn(&crate::outline::Circle) -> [f64; 2]| {
        shapes.iter().filter_map(|s| s.circle.as_ref()).map(pick).fold([f64::MAX, f64::MIN], |[lo, hi], [a, b]| [lo.min(a), hi.max(b)])
    };
    let [left, right] = extent(|c| [c.x - c.r, c.x + c.r]);
    let [bottom, top] = extent(|c| [c.y - c.r, c.y + c.r]);
    Drawing {
        says: format!(
            "Gear train from the spindle stud to the leadscrew: {}. The leadscrew turns {} the spindle.",
            words.join(", "),
            if direction.screw_with_spindle { "with" } else { "against" }
        ),
        bounds: [left - 6.0, bottom - 6.0, right + 6.0, top + 6.0],
        shapes,
        dimensions: Vec::new(),
    }
}

/// The meshes of the train in order, an idler being both.
fn chain(lathe: &Lathe, found: &Found) -> Vec<(Gear, Gear)> {
    match (found.train.drivers.as_slice(), found.train.driven.as_slice(), found.fit.idler) {
        (&[a], &[d], Some(teeth)) => {
            let idler = Gear { teeth, group: a.group };
            vec![(a, idler), (idler, d)]
        }
        (&[a], &[d], None) if lathe.arm.is_none() => {
            // Without geometry the size of the idler is the owner's choice: one is drawn to show that it is there.
            let idler = found.train.spare(lathe).into_iter().find(|g| g.group == a.group).unwrap_or(d);
            vec![(a, idler), (idler, d)]
        }
        (drivers, driven, _) => drivers.iter().copied().zip(driven.iter().copied()).collect(),
    }
}

/// Shaft centres: the stud to the right of and above the leadscrew, the arm's stud where the meshes
/// put it.
fn place(lathe: &Lathe, meshes: &[f64]) -> Vec<Point> {
    let reach: f64 = meshes.iter().sum();
    let c = lathe.arm.as_ref().map_or(reach * 0.85, |a| a.centres_mm);
    let (screw, stud) = ([0.0, 0.0], [c * 0.8, c * 0.6]);
    match meshes {
        [_] => vec![stud, screw],
        [r1, r2] => vec![stud, meet(stud, screw, *r1, *r2), screw],
        _ => {
            let mut points = vec![stud];
            let mut gone = 0.0;
            for m in &meshes[..meshes.len().saturating_sub(1)] {
                gone += m;
                let t = gone / reach.max(1e-6);
                points.push([stud[0] * (1.0 - t), stud[1] * (1.0 - t)]);
            }
            points.push(screw);
            points
        }
    }
}
