//! Orders a train's gears can be put on in: what may mesh, what is one piece, what goes on which shaft.

use crate::drive::{Gear, Place};
use crate::train::Train;

/// Every order of up to three gears.
fn orders(gears: &[Gear]) -> Vec<Vec<Gear>> {
    if gears.len() < 2 {
        return vec![gears.to_vec()];
    }
    let mut list: Vec<Vec<Gear>> = Vec::new();
    for (i, first) in gears.iter().enumerate() {
        let mut rest = gears.to_vec();
        rest.remove(i);
        for tail in orders(&rest) {
            let one: Vec<Gear> = std::iter::once(*first).chain(tail).collect();
            if !list.contains(&one) {
                list.push(one);
            }
        }
    }
    list
}

/// Whether a train can be put together in this order at all: each mesh of one module, gears joined as one
/// piece together on a stud, gears bound to a shaft on it.
#[must_use]
pub fn goes_together(drivers: &[Gear], driven: &[Gear]) -> bool {
    // Where gears cannot be changed there are none to put together.
    let (Some(first), Some(last)) = (drivers.first(), driven.last()) else { return drivers.is_empty() && driven.is_empty() };
    let count = drivers.len();
    count == driven.len()
        && drivers.iter().zip(driven).all(|(a, b)| a.group == b.group)
        && first.piece == 0
        && last.piece == 0
        && first.goes_on(Place::Spindle)
        && last.goes_on(Place::Leadscrew)
        && driven.iter().zip(&drivers[1..]).all(|(b, c)| b.piece == c.piece && b.goes_on(Place::Stud) && c.goes_on(Place::Stud))
}

/// The orders of a train that go together.
pub fn arrangements(train: &Train) -> Vec<Train> {
    let (drivers, driven) = (orders(&train.drivers), orders(&train.driven));
    let mut list = Vec::new();
    for a in &drivers {
        for b in &driven {
            if goes_together(a, b) {
                list.push(Train { drivers: a.clone(), driven: b.clone(), gearbox: train.gearbox });
            }
        }
    }
    list
}

/// Whether any order of these gears goes together; quick for a drawer of loose gears of one module.
pub fn can_go_together(drivers: &[Gear], driven: &[Gear]) -> bool {
    let plain = |g: &Gear| g.piece == 0 && g.places == Gear::ANYWHERE && g.group == drivers.first().map_or(0, |f| f.group);
    drivers.iter().chain(driven).all(plain) || orders(drivers).iter().any(|a| orders(driven).iter().any(|b| goes_together(a, b)))
}
