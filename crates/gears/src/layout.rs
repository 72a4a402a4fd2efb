//! A train laid out on its arm: the chain of meshes, which plane each gear is in, and where the studs stand.
//!
//! The arm swings about the leadscrew and its slot runs straight out from it, so the studs stand in line: each as
//! far from the leadscrew as the meshes between put it. Only the first stud closes a triangle with the spindle.

use crate::drive::{Drive, Gear};
use crate::outline::Point;
use crate::train::Train;

/// One mesh of the chain.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Mesh {
    /// The gear that drives.
    pub driver: Gear,
    /// The gear it drives.
    pub driven: Gear,
    /// The plane they lie in: 0 inner, 1 outer.
    pub plane: u8,
}

/// The module of a gear, mm.
pub fn module(drive: &Drive, gear: Gear) -> f64 {
    drive.modules.get(usize::from(gear.group)).copied().unwrap_or(1.0)
}

/// Centre distance of a mesh, mm: m(z1 + z2)/2.
pub fn centres(drive: &Drive, one: Gear, two: Gear) -> f64 {
    module(drive, one) * f64::from(one.teeth + two.teeth) / 2.0
}

/// Outside radius of a gear, mm: m(z + 2)/2.
pub fn tip_radius(drive: &Drive, gear: Gear) -> f64 {
    module(drive, gear) * f64::from(gear.teeth + 2) / 2.0
}

/// An idler put between the gears of the mesh at this place of the train.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Idler {
    /// Index of the pair it stands between.
    pub between: usize,
    /// The gear.
    pub gear: Gear,
}

/// The chain of meshes of a train with its idlers. Two gears on one stud lie in two planes, so each compound stud
/// changes plane: inner, outer, and back.
pub fn chain(train: &Train, idlers: &[Idler]) -> Vec<Mesh> {
    let mut list = Vec::new();
    for (i, (a, b)) in train.drivers.iter().zip(&train.driven).enumerate() {
        let plane = u8::from(i % 2 == 1);
        let mut from = *a;
        for idler in idlers.iter().filter(|x| x.between == i) {
            list.push(Mesh { driver: from, driven: idler.gear, plane });
            from = idler.gear;
        }
        list.push(Mesh { driver: from, driven: *b, plane });
    }
    list
}

/// Why a chain cannot be placed at all.
#[derive(Debug, Clone, Copy, PartialEq)]
pub enum LayoutFault {
    /// It does not reach from spindle to leadscrew, by this much.
    Short(f64),
    /// Its triangle does not close: one side is longer than the others together.
    Unequal,
    /// A stud would stand this far from the leadscrew, out of the slot's reach.
    OutOfSlot(f64),
    /// Two gears on fixed shafts mesh only on their own centre distance; this is how far off it is.
    Direct(f64),
}

/// How near the centre distance of a direct mesh must be, mm.
const DIRECT_MESH_MM: f64 = 0.25;

/// The shafts from the spindle stud to the leadscrew. The leadscrew is at the origin, the spindle stud to the right of
/// and above it.
pub fn place(drive: &Drive, meshes: &[Mesh], centre_distance: f64, reach: Option<[f64; 2]>) -> Result<Vec<Point>, LayoutFault> {
    let stud = [centre_distance * 0.8, centre_distance * 0.6];
    let distances: Vec<f64> = meshes.iter().map(|m| centres(drive, m.driver, m.driven)).collect();
    let Some((first, rest)) = distances.split_first() else { return Ok(vec![stud, [0.0, 0.0]]) };
    if rest.is_empty() {
        let off = first - centre_distance;
        return if off.abs() <= DIRECT_MESH_MM { Ok(vec![stud, [0.0, 0.0]]) } else { Err(LayoutFault::Direct(off)) };
    }
    let farthest: f64 = rest.iter().sum();
    if first + farthest <= centre_distance {
        return Err(LayoutFault::Short(centre_distance - first - farthest));
    }
    if (first - farthest).abs() >= centre_distance {
        return Err(LayoutFault::Unequal);
    }
    let mut from_screw = farthest;
    let mut along = Vec::new();
    for step in rest {
        if let Some([near, far]) = reach
            && !(near..=far).contains(&from_screw)
        {
            return Err(LayoutFault::OutOfSlot(from_screw));
        }
        along.push(from_screw / farthest);
        from_screw -= step;
    }
    let out = meet(stud, [0.0, 0.0], *first, farthest);
    Ok(std::iter::once(stud).chain(along.into_iter().map(|t| [out[0] * t, out[1] * t])).chain([[0.0, 0.0]]).collect())
}

/// Where circles of `r1` about `one` and `r2` about `two` meet, above the line between them.
fn meet(one: Point, two: Point, r1: f64, r2: f64) -> Point {
    let (dx, dy) = (two[0] - one[0], two[1] - one[1]);
    let c = dx.hypot(dy).max(1e-6);
    let along = (r1 * r1 - r2 * r2 + c * c) / (2.0 * c);
    let across = (r1 * r1 - along * along).max(0.0).sqrt();
    let (ux, uy) = (dx / c, dy / c);
    [one[0] + along * ux - across * uy, one[1] + along * uy + across * ux]
}
