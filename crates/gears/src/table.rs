//! Every choice of one, two or three of the gears owned, by the product of their teeth: made once for a
//! drive, used for every pitch.

use crate::drive::{Drive, Gear};

/// One to three gears of one side of a train; none where they cannot be changed.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Hash)]
pub struct GearChoice {
    /// Product of their teeth.
    pub product: u32,
    gears: [u8; 3],
    count: u8,
}

/// The gears owned by kind, and every choice of them in order of product.
#[derive(Debug)]
pub struct Table {
    kinds: Vec<(Gear, usize)>,
    by_count: Vec<Vec<GearChoice>>,
}

impl Table {
    /// The table of a drive: up to as many gears a side as its arm takes.
    #[must_use]
    pub fn of(drive: &Drive) -> Self {
        if drive.gears_fixed {
            return Self { kinds: Vec::new(), by_count: vec![choices(&[], 0)] };
        }
        Self::with(&drive.gears, drive.max_compounds)
    }

    /// The table of these gears.
    #[must_use]
    pub fn with(gears: &[Gear], max_compounds: u8) -> Self {
        let mut kinds: Vec<(Gear, usize)> = Vec::new();
        for gear in gears {
            match kinds.iter_mut().find(|(g, _)| g == gear) {
                Some((_, n)) => *n += 1,
                None => kinds.push((*gear, 1)),
            }
        }
        kinds.sort_unstable();
        let by_count = (1..=max_compounds + 1).map(|count| choices(&kinds, count)).collect();
        Self { kinds, by_count }
    }

    /// Gears of a choice.
    pub fn gears(&self, picked: &GearChoice) -> impl Iterator<Item = Gear> + use<'_> {
        let GearChoice { gears, count, .. } = *picked;
        gears.into_iter().take(usize::from(count)).filter_map(|i| self.kinds.get(usize::from(i)).map(|k| k.0))
    }

    /// Whether the drawer holds both sides at once.
    fn holds(&self, one: &GearChoice, other: &GearChoice) -> bool {
        let (a, b) = (&one.gears[..usize::from(one.count)], &other.gears[..usize::from(other.count)]);
        let times = |i: u8| a.iter().chain(b).filter(|j| **j == i).count();
        a.iter().all(|i| !b.contains(i) || self.kinds.get(usize::from(*i)).is_some_and(|k| times(*i) <= k.1))
    }

    /// Visits every train whose drivers' product over its driven gears' lies within `window` (relative) of
    /// `wanted`, simple ones first. Both lists rise, so the place to look from only ever moves on.
    pub fn within(&self, wanted: f64, window: f64, each: &mut impl FnMut(&GearChoice, &GearChoice)) {
        for choices in &self.by_count {
            let mut from = 0;
            for driven in choices {
                let target = wanted * f64::from(driven.product);
                let (low, high) = (target * (1.0 - window), target * (1.0 + window));
                while choices.get(from).is_some_and(|p| f64::from(p.product) < low) {
                    from += 1;
                }
                for drivers in choices[from..].iter().take_while(|p| f64::from(p.product) <= high) {
                    if self.holds(drivers, driven) {
                        each(drivers, driven);
                    }
                }
            }
        }
    }

    /// The least window in which anything `serves`: widened step by step about each driven choice.
    pub fn nearest(&self, wanted: f64, serves: &mut impl FnMut(&GearChoice, &GearChoice) -> bool) -> Option<f64> {
        let mut best: Option<f64> = None;
        for choices in &self.by_count {
            for driven in choices {
                let target = wanted * f64::from(driven.product);
                let at = choices.partition_point(|p| f64::from(p.product) < target);
                let mut look = |list: &mut dyn Iterator<Item = &GearChoice>| {
                    for drivers in list {
                        let error = (f64::from(drivers.product) / target - 1.0).abs();
                        if best.is_some_and(|b| error >= b) {
                            break;
                        }
                        if self.holds(drivers, driven) && serves(drivers, driven) {
                            best = Some(error);
                            break;
                        }
                    }
                };
                look(&mut choices[..at].iter().rev());
                look(&mut choices[at..].iter());
            }
        }
        best
    }
}

/// Every choice of `count` gears of these kinds, no more of one than there are.
fn choices(kinds: &[(Gear, usize)], count: u8) -> Vec<GearChoice> {
    let mut list = vec![GearChoice { product: 1, gears: [0; 3], count: 0 }];
    for _ in 0..count {
        let mut next = Vec::new();
        for picked in &list {
            let done = usize::from(picked.count);
            let from = if done == 0 { 0 } else { usize::from(picked.gears[done - 1]) };
            for (i, (gear, owned)) in kinds.iter().enumerate().skip(from) {
                let index = u8::try_from(i).unwrap_or(u8::MAX);
                if picked.gears[..done].iter().filter(|g| **g == index).count() < *owned {
                    let mut gears = picked.gears;
                    gears[done] = index;
                    next.push(GearChoice { product: picked.product * u32::from(gear.teeth), gears, count: picked.count + 1 });
                }
            }
        }
        list = next;
    }
    list.sort_unstable_by_key(|p| p.product);
    list
}
