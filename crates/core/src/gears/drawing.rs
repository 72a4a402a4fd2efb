//! The train on its arm, to scale: teeth in mesh and in phase, tooth counts, directions.

use super::teeth;
use crate::job::{Gear, Lathe};
use crate::outline::{Drawing, Point, Shape};
use crate::say;
use crate::voice::Voice;
use yoke_gears::layout::{Mesh, centres, module, place};
use yoke_gears::search::Found;

/// Shafts are drawn at this radius at most, mm.
const HUB: f64 = 10.0;

/// The meshes drawn: without geometry the size of the idler of a simple train is its owner's choice, and one is drawn to
/// show that it is there.
fn drawn(lathe: &Lathe, found: &Found) -> Vec<Mesh> {
    match found.fit.meshes.as_slice() {
        [only] if lathe.arm.is_none() => {
            let idler = found.train.spare(lathe).into_iter().find(|g| g.group == only.driver.group && g.piece == 0).unwrap_or(only.driven);
            vec![Mesh { driven: idler, ..*only }, Mesh { driver: idler, ..*only }]
        }
        meshes => meshes.to_vec(),
    }
}

/// Where the shafts stand: as placed, else on centres that suit the train, else in a row.
fn shafts(lathe: &Lathe, found: &Found, meshes: &[Mesh]) -> Vec<Point> {
    if found.fit.shafts.len() == meshes.len() + 1 {
        return found.fit.shafts.clone();
    }
    let reach: f64 = meshes.iter().map(|m| centres(lathe, m.driver, m.driven)).sum();
    let apart = found.fit.on_arm(lathe).map_or(reach * 0.85, |a| a.centres_mm);
    place(lathe, meshes, apart, None).unwrap_or_else(|_| {
        let mut gone = 0.0;
        let mut row = vec![[apart * 0.8, apart * 0.6]];
        for mesh in meshes {
            gone += centres(lathe, mesh.driver, mesh.driven) / reach.max(1e-6);
            row.push([apart * 0.8 * (1.0 - gone), apart * 0.6 * (1.0 - gone)]);
        }
        row
    })
}

/// Draws the train seen from the gear end, leadscrew below left, stud above right of it.
pub(super) fn train(lathe: &Lathe, found: &Found, screw_with_spindle: bool, voice: Voice) -> Drawing {
    let meshes = drawn(lathe, found);
    let shafts = shafts(lathe, found, &meshes);
    let mut shapes = Vec::new();
    if let [first, .., last] = shafts.as_slice() {
        shapes.push(Shape::open("arm.line", vec![*first, *last]));
    }
    for pair in shafts.windows(2) {
        shapes.push(Shape::open("mesh.centres", pair.to_vec()));
    }
    // The leadscrew must turn as the hand asks; every mesh before it turns the other way.
    let screw_turns: i8 = if screw_with_spindle { -1 } else { 1 };
    let phases = teeth::phases(&meshes, &shafts);
    let turns = |shaft: usize| if (meshes.len() - shaft).is_multiple_of(2) { screw_turns } else { -screw_turns };
    let mut words = Vec::new();
    for (i, mesh) in meshes.iter().enumerate() {
        let (Some(from), Some(to)) = (shafts.get(i), shafts.get(i + 1)) else { continue };
        let idles = |j: usize| meshes.get(j).is_some_and(|next| next.driver == mesh.driven && next.plane == mesh.plane && j == i + 1);
        let idled = i > 0 && meshes.get(i - 1).is_some_and(|before| before.driven == mesh.driver && before.plane == mesh.plane);
        let outer = mesh.plane == 1;
        if !idled {
            let role = if outer { "gear.driver.outer" } else { "gear.driver.inner" };
            wheel(&mut shapes, role, *from, module(lathe, mesh.driver), (mesh.driver, phases[i][0]), turns(i));
        }
        let role = match (idles(i + 1), outer) {
            (true, _) => "gear.idler",
            (false, true) => "gear.driven.outer",
            (false, false) => "gear.driven.inner",
        };
        wheel(&mut shapes, role, *to, module(lathe, mesh.driven), (mesh.driven, phases[i][1]), turns(i + 1));
        words.push(say!(voice, "gears-drives", driver = &mesh.driver.teeth, driven = &mesh.driven.teeth));
    }
    let shaft_radius = found.fit.on_arm(lathe).map_or(8.0, |a| a.shaft_radius_mm);
    for (i, at) in shafts.iter().enumerate() {
        let name = if i == 0 {
            "stud"
        } else if i + 1 == shafts.len() {
            "screw"
        } else {
            "arm"
        };
        shapes.push(Shape::circle("shaft", *at, shaft_radius.min(HUB)).labelled(name));
    }
    Drawing::new(voice, say!(voice, "gears-drawn", train = words.join(", "), turns = if screw_with_spindle { "with" } else { "against" }), shapes, Vec::new())
}

/// One gear: its teeth, the arrow of the way it turns, and its count where it stands clear of hub, arrow and teeth.
fn wheel(shapes: &mut Vec<Shape>, role: &'static str, at: Point, module: f64, (gear, phase): (Gear, f64), turns: i8) {
    let r = module * f64::from(gear.teeth) / 2.0;
    shapes.push(Shape::circle(role, at, r).labelled(gear.teeth.to_string()).turning(turns).toothed(gear.teeth, teeth::tooth(gear.teeth, module, phase)));
    // Inside the roots, over the top, from right to left when it turns anticlockwise.
    let inner = (r - teeth::DEDENDUM * module) * 0.84;
    let point = |deg: f64, k: f64| [at[0] + k * inner * deg.to_radians().cos(), at[1] + k * inner * deg.to_radians().sin()];
    let (from, to) = if turns > 0 { (52.0, 138.0) } else { (128.0, 42.0) };
    shapes.push(Shape::open("turn.way", (0..=5).map(|i| point(from + (to - from) * f64::from(i) / 5.0, 1.0)).collect()));
    let back = (from - to).signum() * (0.16_f64.min(4.0 / inner)).max(0.09).to_degrees();
    shapes.push(Shape::closed("turn.head", vec![point(to, 1.0), point(to + back, 1.07), point(to + back, 0.93)]));
    let half = (inner * 0.48).max(HUB + module);
    shapes.push(Shape::said("word.teeth", [at[0], at[1] - half], gear.teeth.to_string()));
}
