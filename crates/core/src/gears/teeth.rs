//! Teeth as they are drawn: involutes of 20°, each gear turned so that its teeth stand in the gaps of the next.

use crate::outline::Point;
use std::f64::consts::{PI, TAU};
use yoke_gears::layout::Mesh;

/// Pressure angle drawn, degrees: what change gears are commonly cut to. It moves no centre and no count.
const PRESSURE_DEG: f64 = 20.0;
/// How far the root lies inside the pitch circle, in modules: a whole addendum and the clearance of a quarter.
pub(super) const DEDENDUM: f64 = 1.25;
/// Points of a flank.
const STEPS: u32 = 2;

fn involute(angle: f64) -> f64 {
    angle.tan() - angle
}

/// One tooth and the root after it, about the gear's own middle, mm; the tooth's middle stands at `phase`, radians.
pub(super) fn tooth(teeth: u16, module: f64, phase: f64) -> Vec<Point> {
    let n = f64::from(teeth.max(1));
    let (r, alpha) = (module * n / 2.0, PRESSURE_DEG.to_radians());
    let (base, root, tip) = (r * alpha.cos(), r - DEDENDUM * module, r + module);
    // Half the angle the tooth takes at a radius: a quarter of the pitch at the pitch circle.
    let half = |at: f64| PI / (2.0 * n) + involute(alpha) - if at > base { involute((base / at).acos()) } else { 0.0 };
    let place = |at: f64, angle: f64| [at * (phase + angle).cos(), at * (phase + angle).sin()];
    let low = root.max(base);
    let radii = (0..=STEPS).map(|i| low + (tip - low) * f64::from(i) / f64::from(STEPS));
    let mut line = vec![place(root, -half(low))];
    line.extend(radii.clone().map(|at| place(at, -half(at))));
    line.extend(radii.rev().map(|at| place(at, half(at))));
    line.push(place(root, half(low)));
    line
}

/// Where the middle of a tooth of each gear stands, driver and driven of each mesh, radians. The first is taken at nought; gears on
/// one stud are keyed as they come.
pub(super) fn phases(meshes: &[Mesh], shafts: &[Point]) -> Vec<[f64; 2]> {
    let mut list: Vec<[f64; 2]> = Vec::with_capacity(meshes.len());
    for (i, mesh) in meshes.iter().enumerate() {
        // An idler goes on as it stands; another gear on the stud begins anew.
        let driver = i
            .checked_sub(1)
            .and_then(|j| Some((meshes.get(j)?, list.get(j)?)))
            .filter(|(m, _)| m.driven == mesh.driver && m.plane == mesh.plane)
            .map_or(0.0, |(_, p)| p[1]);
        let toward = match (shafts.get(i), shafts.get(i + 1)) {
            (Some(a), Some(b)) => (b[1] - a[1]).atan2(b[0] - a[0]),
            _ => 0.0,
        };
        let (a, b) = (f64::from(mesh.driver.teeth.max(1)), f64::from(mesh.driven.teeth.max(1)));
        // What a tooth of the driver is past the line of centres, the gap of the driven is short of it, by the same length.
        let driven = toward + PI - (driver - toward) * a / b + PI / b;
        list.push([driver, driven % TAU]);
    }
    list
}
