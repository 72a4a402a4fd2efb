//! The search: every simple and one-compound train of the gears owned, in every gearbox position.
//!
//! Drivers' products are sorted once; for each set of driven gears and lever position the products
//! near the one wanted are found by bisection. Every train within an error window is visited, and
//! the window is widened until enough are found, so the list is exhaustive down to its last row.

use super::fit::{Fit, hangs, meshes};
use crate::job::{Gear, Lathe, Mounted};
use crate::quantity::{Ratio, real};
use std::cmp::Ordering;
use std::collections::BTreeSet;

/// A train as hung, spindle end first.
#[derive(Debug, Clone, PartialEq, Eq, PartialOrd, Ord)]
pub struct Train {
    /// Drivers.
    pub drivers: Vec<Gear>,
    /// Driven gears.
    pub driven: Vec<Gear>,
    /// Index of the gearbox position.
    pub gearbox: usize,
}

/// The tooth counts wanted that are not there, each one there serving once.
pub(super) fn not_among(wanted: impl Iterator<Item = u16>, there: &[u16]) -> Vec<u16> {
    let mut left = there.to_vec();
    wanted
        .filter(|teeth| match left.iter().position(|t| t == teeth) {
            Some(i) => {
                left.swap_remove(i);
                false
            }
            None => true,
        })
        .collect()
}

impl Train {
    /// Leadscrew turns per spindle turn, gearbox and fixed ratio included, exact.
    #[must_use]
    pub fn ratio(&self, lathe: &Lathe) -> Ratio {
        let product = |gears: &[Gear]| gears.iter().map(|g| i128::from(g.teeth)).product::<i128>();
        let levers = lathe.gearbox.get(self.gearbox).map_or_else(|| Ratio::from_integer(1), |p| p.ratio.0);
        Ratio::new(product(&self.drivers), product(&self.driven)) * levers * lathe.fixed
    }

    /// Gears to change from those mounted.
    #[must_use]
    pub fn swaps(&self, mounted: &Mounted) -> usize {
        let missing = |wanted: &[Gear], on: &[u16]| not_among(wanted.iter().map(|g| g.teeth), on).len();
        missing(&self.drivers, &mounted.drivers) + missing(&self.driven, &mounted.driven)
    }

    /// The gears of the drawer this train leaves over.
    #[must_use]
    pub fn spare(&self, lathe: &Lathe) -> Vec<Gear> {
        let mut left = lathe.gears.clone();
        for gear in self.drivers.iter().chain(&self.driven) {
            if let Some(i) = left.iter().position(|g| g == gear) {
                left.remove(i);
            }
        }
        left.sort_unstable();
        left
    }
}

/// A train found, judged.
#[derive(Debug, Clone, PartialEq)]
pub struct Found {
    /// The train.
    pub train: Train,
    /// Its exact ratio.
    pub ratio: Ratio,
    /// Relative lead error.
    pub error: f64,
    /// Whether it hangs.
    pub fit: Fit,
    /// Gears to change.
    pub swaps: usize,
    /// Whether no train of these gears comes closer.
    pub closest: bool,
}

/// Error windows tried in turn; beyond the last, only the single closest train is of use.
const WINDOWS: [f64; 5] = [1e-12, 1e-5, 1e-4, 1e-3, 5e-2];
/// Past this many trains there is nothing to gain from a wider window.
const PLENTY: usize = 20_000;

/// One or two gears on one side of a train.
#[derive(Clone, Copy)]
struct Picked {
    product: f64,
    gears: [usize; 2],
    count: usize,
}

/// Finds the best trains for `required` leadscrew turns per spindle turn. Returns how many trains lie
/// in the widest window searched, and the best `limit` of them in order.
#[must_use]
pub fn search(lathe: &Lathe, required: &Ratio, limit: usize) -> (usize, Vec<Found>) {
    let mut kinds: Vec<(Gear, usize)> = Vec::new();
    for gear in &lathe.gears {
        match kinds.iter_mut().find(|(g, _)| g == gear) {
            Some((_, n)) => *n += 1,
            None => kinds.push((*gear, 1)),
        }
    }
    let picked = pick(&kinds, lathe.compound_trains);
    let mut found: BTreeSet<Train> = BTreeSet::new();
    let mut judged: Vec<Found> = Vec::new();
    for window in WINDOWS {
        visit(lathe, required, &kinds, &picked, window, &mut |train| {
            if !found.contains(&train) {
                judged.extend(judge(lathe, required, &train, &kinds));
                found.insert(train);
            }
        });
        if judged.iter().filter(|f| f.fit.hangs).count() >= limit || judged.len() >= PLENTY {
            break;
        }
    }
    if judged.is_empty() {
        judged.extend(nearest(lathe, required, &kinds, &picked));
    }
    let least = judged.iter().map(|f| exact_error(f.ratio, required)).min();
    for one in &mut judged {
        one.closest = Some(exact_error(one.ratio, required)) == least;
    }
    judged.sort_by(order);
    let total = judged.len();
    // Several may share the least error; the first of them in order carries the mark.
    let first = judged.iter().position(|f| f.closest);
    for (i, one) in judged.iter_mut().enumerate() {
        one.closest = Some(i) == first;
    }
    if let Some(at) = first.filter(|at| *at >= limit) {
        // The row of least error is always listed, though others hang and it does not.
        judged.swap(limit - 1, at);
    }
    judged.truncate(limit);
    (total, judged)
}

fn exact_error(ratio: Ratio, required: &Ratio) -> Ratio {
    let off = ratio - required;
    if off < Ratio::from_integer(0) { -off } else { off }
}

/// Those that hang, then exact, then error, then fewest changes, then fewer and larger gears.
fn order(a: &Found, b: &Found) -> Ordering {
    let teeth = |f: &Found| f.train.drivers.iter().chain(&f.train.driven).map(|g| u32::from(g.teeth)).sum::<u32>();
    let positive = |f: &Found| f.error.abs();
    b.fit
        .hangs
        .cmp(&a.fit.hangs)
        .then_with(|| positive(a).total_cmp(&positive(b)))
        .then_with(|| a.swaps.cmp(&b.swaps))
        .then_with(|| a.train.drivers.len().cmp(&b.train.drivers.len()))
        .then_with(|| teeth(b).cmp(&teeth(a)))
        .then_with(|| a.train.cmp(&b.train))
}

/// Every choice of one gear, and of two if compounds are allowed, by product.
fn pick(kinds: &[(Gear, usize)], pairs: bool) -> [Vec<Picked>; 2] {
    let teeth = |i: usize| f64::from(kinds[i].0.teeth);
    let mut ones: Vec<Picked> = (0..kinds.len()).map(|i| Picked { product: teeth(i), gears: [i, i], count: 1 }).collect();
    let mut twos = Vec::new();
    if pairs {
        for i in 0..kinds.len() {
            let from = if kinds[i].1 > 1 { i } else { i + 1 };
            twos.extend((from..kinds.len()).map(|j| Picked { product: teeth(i) * teeth(j), gears: [i, j], count: 2 }));
        }
    }
    ones.sort_by(|a, b| a.product.total_cmp(&b.product));
    twos.sort_by(|a, b| a.product.total_cmp(&b.product));
    [ones, twos]
}

/// Whether the drawer holds all these gears at once.
fn owned(kinds: &[(Gear, usize)], drivers: &Picked, driven: &Picked) -> bool {
    let both = [&drivers.gears[..drivers.count], &driven.gears[..driven.count]].concat();
    both.iter().all(|i| both.iter().filter(|j| *j == i).count() <= kinds[*i].1)
}

fn visit(lathe: &Lathe, required: &Ratio, kinds: &[(Gear, usize)], picked: &[Vec<Picked>; 2], window: f64, each: &mut impl FnMut(Train)) {
    for (gearbox, levers) in lathe.gearbox.iter().enumerate() {
        let wanted = real(&(*required / (levers.ratio.0 * lathe.fixed)));
        for choices in picked {
            for driven in choices {
                let target = wanted * driven.product;
                let from = choices.partition_point(|p| p.product < target * (1.0 - window));
                for drivers in choices[from..].iter().take_while(|p| p.product <= target * (1.0 + window)) {
                    if owned(kinds, drivers, driven) {
                        each(assemble(kinds, drivers, driven, gearbox));
                    }
                }
            }
        }
    }
}

/// The single closest train when none lies in any window.
fn nearest(lathe: &Lathe, required: &Ratio, kinds: &[(Gear, usize)], picked: &[Vec<Picked>; 2]) -> Vec<Found> {
    let mut best: Option<(f64, Train)> = None;
    for (gearbox, levers) in lathe.gearbox.iter().enumerate() {
        let wanted = real(&(*required / (levers.ratio.0 * lathe.fixed)));
        for choices in picked {
            for driven in choices {
                let target = wanted * driven.product;
                let at = choices.partition_point(|p| p.product < target);
                let usable = |p: &&Picked| owned(kinds, p, driven) && judge(lathe, required, &assemble(kinds, p, driven, gearbox), kinds).is_some();
                let sides = [choices[..at].iter().rev().find(usable), choices[at..].iter().find(usable)];
                for drivers in sides.into_iter().flatten() {
                    let error = (drivers.product / target - 1.0).abs();
                    if best.as_ref().is_none_or(|(least, _)| error < *least) {
                        best = Some((error, assemble(kinds, drivers, driven, gearbox)));
                    }
                }
            }
        }
    }
    best.and_then(|(_, train)| judge(lathe, required, &train, kinds)).into_iter().collect()
}

fn assemble(kinds: &[(Gear, usize)], drivers: &Picked, driven: &Picked, gearbox: usize) -> Train {
    let gears = |p: &Picked| p.gears[..p.count].iter().map(|i| kinds[*i].0).collect();
    Train { drivers: gears(drivers), driven: gears(driven), gearbox }
}

/// Puts the gears in the first order that hangs, else in the first that meshes; `None` when they
/// cannot mesh in any order.
fn judge(lathe: &Lathe, required: &Ratio, train: &Train, kinds: &[(Gear, usize)]) -> Option<Found> {
    let mut orders = vec![train.clone()];
    if let ([a, c], [b, d]) = (train.drivers.as_slice(), train.driven.as_slice()) {
        for (drivers, driven) in [([*c, *a], [*b, *d]), ([*a, *c], [*d, *b]), ([*c, *a], [*d, *b])] {
            orders.push(Train { drivers: drivers.to_vec(), driven: driven.to_vec(), gearbox: train.gearbox });
        }
    }
    orders.retain(meshes);
    // Only a simple train takes an idler from the drawer.
    let spare: Vec<Gear> = if train.drivers.len() == 1 {
        let used = |g: &Gear| usize::from(train.drivers[0] == *g) + usize::from(train.driven.first() == Some(g));
        let mut left: Vec<Gear> = kinds.iter().filter(|(g, n)| *n > used(g)).map(|(g, _)| *g).collect();
        left.sort_unstable();
        left
    } else {
        Vec::new()
    };
    let tried: Vec<(Fit, &Train)> = orders.iter().map(|t| (hangs(lathe, t, &spare), t)).collect();
    let (fit, chosen) = tried.iter().find(|(f, _)| f.hangs).or_else(|| tried.first())?;
    let ratio = chosen.ratio(lathe);
    Some(Found {
        ratio,
        error: real(&(ratio / required)) - 1.0,
        fit: fit.clone(),
        swaps: chosen.swaps(&lathe.mounted),
        train: (*chosen).clone(),
        closest: false,
    })
}
