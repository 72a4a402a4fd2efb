//! The search: every simple, one- and two-compound train of the gears owned, in every gearbox position.
//!
//! Every train within an error window is visited, and the window is widened until enough hang, so the list
//! is exhaustive down to its last row. Which order hangs is looked at only as far down the ranking as rows
//! are wanted: nothing else of the ranking depends on the order.

use super::arrange::{arrangements, can_go_together};
use super::fit::{Fit, Sense, hangs};
use super::table::{GearChoice, Table};
use super::train::{changes, not_among};
use crate::Train;
use crate::drive::{Drive, Gear, Mounted};
use crate::quantity::{Ratio, real};
use std::cmp::Ordering;
use std::collections::{HashMap, HashSet};

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

/// What is wanted of the list.
#[derive(Debug, Clone, Copy, Default)]
pub struct Wanted<'a> {
    /// How many rows.
    pub limit: usize,
    /// Largest relative error; 0 for exact only.
    pub max_error: Option<f64>,
    /// Only this gearbox position.
    pub gearbox: Option<usize>,
    /// Gears that stay on, by teeth, each where it is mounted now.
    pub keep: Option<&'a Mounted>,
    /// At most this many gears changed.
    pub max_swaps: Option<usize>,
    /// The way the leadscrew must turn, where the tumbler cannot choose it.
    pub sense: Option<Sense>,
}

/// Error windows tried in turn; beyond the last, only the single closest train is of use.
const WINDOWS: [f64; 5] = [1e-12, 1e-5, 1e-4, 1e-3, 5e-2];
/// Past this many trains there is nothing to gain from a wider window.
const PLENTY: usize = 20_000;
/// How far down the ranking is put in order at a time.
const STRETCH: usize = 256;

/// A train within the window, not yet put in an order that hangs.
#[derive(Clone, Copy)]
struct Candidate {
    drivers: GearChoice,
    driven: GearChoice,
    gearbox: u8,
    error: f64,
    swaps: u8,
    pairs: u8,
    teeth: u16,
}

/// Exact, then error, then fewest changes, then fewer and larger gears; the rest only makes it settled.
fn order(a: &Candidate, b: &Candidate) -> Ordering {
    a.error
        .abs()
        .total_cmp(&b.error.abs())
        .then_with(|| a.swaps.cmp(&b.swaps))
        .then_with(|| a.pairs.cmp(&b.pairs))
        .then_with(|| b.teeth.cmp(&a.teeth))
        .then_with(|| a.gearbox.cmp(&b.gearbox))
        .then_with(|| (a.drivers, a.driven).cmp(&(b.drivers, b.driven)))
}

/// What of a search does not change while the window is widened.
struct Search<'a> {
    drive: &'a Drive,
    table: &'a Table,
    required: &'a Ratio,
    wanted: &'a Wanted<'a>,
}

impl Search<'_> {
    /// The candidate, if it may stand in the list: it goes together and passes the filters.
    fn candidate(&self, drivers: &GearChoice, driven: &GearChoice, gearbox: usize, (wn, wd): (i128, i128)) -> Option<Candidate> {
        let (a, b): (Vec<Gear>, Vec<Gear>) = (self.table.gears(drivers).collect(), self.table.gears(driven).collect());
        let (top, under) = (i128::from(drivers.product) * wd, i128::from(driven.product) * wn);
        // Exact is told by whole numbers; only what is not is told by a float.
        #[allow(clippy::cast_precision_loss)]
        let error = if top == under { 0.0 } else { (top - under) as f64 / under as f64 };
        let [off, on] = changes(a.iter().map(|g| g.teeth), b.iter().map(|g| g.teeth), &self.drive.mounted);
        let passes = self.wanted.max_error.is_none_or(|most| error.abs() <= most)
            && self.wanted.max_swaps.is_none_or(|most| on.max(off) <= most)
            && self.wanted.keep.is_none_or(|keep| {
                let teeth = |gears: &[Gear]| gears.iter().map(|g| g.teeth).collect::<Vec<_>>();
                not_among(keep.drivers.iter().copied(), &teeth(&a)).is_empty() && not_among(keep.driven.iter().copied(), &teeth(&b)).is_empty()
            });
        (passes && can_go_together(&a, &b)).then(|| Candidate {
            drivers: *drivers,
            driven: *driven,
            gearbox: u8::try_from(gearbox).unwrap_or(0),
            error,
            swaps: u8::try_from(off + on).unwrap_or(u8::MAX),
            pairs: u8::try_from(a.len()).unwrap_or(u8::MAX),
            teeth: a.iter().chain(&b).map(|g| g.teeth).sum(),
        })
    }

    /// Gearbox positions looked at, each with the ratio its gears must make.
    fn positions(&self) -> impl Iterator<Item = (usize, Ratio)> + '_ {
        let (drive, only) = (self.drive, self.wanted.gearbox);
        drive.gearbox.iter().enumerate().filter(move |(i, _)| only.is_none_or(|o| o == *i)).map(|(i, p)| (i, *self.required / (p.ratio.0 * drive.fixed)))
    }

    fn within(&self, window: f64) -> Vec<Candidate> {
        let mut list = Vec::new();
        for (gearbox, ratio) in self.positions() {
            let terms = (*ratio.numer(), *ratio.denom());
            self.table.within(real(&ratio), window, &mut |a, b| list.extend(self.candidate(a, b, gearbox, terms)));
        }
        list
    }

    /// The window of the single closest train.
    fn nearest(&self) -> Option<f64> {
        self.positions()
            .filter_map(|(gearbox, ratio)| {
                let terms = (*ratio.numer(), *ratio.denom());
                self.table.nearest(real(&ratio), &mut |a, b| self.candidate(a, b, gearbox, terms).is_some())
            })
            .min_by(f64::total_cmp)
    }

    /// Puts a candidate's gears in the first order that hangs, else in the first that goes together.
    fn judge(&self, one: &Candidate, fits: &mut HashMap<(GearChoice, GearChoice), (Train, Fit)>) -> Option<Found> {
        let gearbox = usize::from(one.gearbox);
        let (train, fit) = if let Some(known) = fits.get(&(one.drivers, one.driven)) {
            known.clone()
        } else {
            let train = Train { drivers: self.table.gears(&one.drivers).collect(), driven: self.table.gears(&one.driven).collect(), gearbox };
            let spare = train.spare(self.drive);
            let mut best: Option<(Train, Fit)> = None;
            let mut orders = arrangements(&train);
            // One that was seen to hang before those that only may.
            orders.sort_by_key(|o| self.drive.seen(&o.drivers, &o.driven) != Some(true));
            for order in orders {
                let fit = hangs(self.drive, &order, &spare, self.wanted.sense);
                let done = fit.hangs;
                if done || best.is_none() {
                    best = Some((order, fit));
                }
                if done {
                    break;
                }
            }
            let judged = best?;
            fits.insert((one.drivers, one.driven), judged.clone());
            judged
        };
        let train = Train { gearbox, ..train };
        Some(Found { ratio: train.ratio(self.drive), error: one.error, fit, swaps: usize::from(one.swaps), train, closest: false })
    }
}

/// The teeth of a row as they are shown, whatever order or drawer they come from.
fn shown(found: &Found) -> (Vec<u16>, Vec<u16>, usize) {
    let teeth = |gears: &[Gear]| {
        let mut list: Vec<u16> = gears.iter().map(|g| g.teeth).collect();
        list.sort_unstable();
        list
    };
    (teeth(&found.train.drivers), teeth(&found.train.driven), found.train.gearbox)
}

/// Finds the best trains for `required` leadscrew turns per spindle turn. Returns how many trains lie in the
/// widest window searched, and the best of them in order: those that hang before those that do not.
#[must_use]
pub fn search(drive: &Drive, table: &Table, required: &Ratio, wanted: &Wanted<'_>) -> (usize, Vec<Found>) {
    let search = Search { drive, table, required, wanted };
    let mut fits = HashMap::new();
    let mut outcome = (0, Vec::new());
    for window in WINDOWS {
        let list = search.within(window);
        let enough = list.len() >= PLENTY || wanted.max_error.is_some_and(|most| most <= window);
        let (total, found, hang) = rank(&search, list, &mut fits);
        outcome = (total, found);
        if enough || hang >= wanted.limit {
            return outcome;
        }
    }
    if outcome.1.is_empty()
        && let Some(window) = search.nearest()
    {
        let (total, found, _) = rank(&search, search.within(window * (1.0 + 1e-9) + 1e-15), &mut fits);
        outcome = (total, found);
    }
    outcome
}

/// The first rows of the ranking: candidates are put in order a stretch at a time and tried on the arm until
/// enough hang. Gives how many there were, the rows, and how many of them hang.
fn rank(search: &Search<'_>, mut list: Vec<Candidate>, fits: &mut HashMap<(GearChoice, GearChoice), (Train, Fit)>) -> (usize, Vec<Found>, usize) {
    let limit = search.wanted.limit;
    let total = list.len();
    let (mut hang, mut foul): (Vec<Found>, Vec<Found>) = (Vec::new(), Vec::new());
    let mut seen = HashSet::new();
    let mut rest = list.as_mut_slice();
    let mut closest: Option<Found> = None;
    while !rest.is_empty() && hang.len() < limit {
        let stretch = STRETCH.min(rest.len());
        if stretch < rest.len() {
            rest.select_nth_unstable_by(stretch - 1, order);
        }
        let (now, later) = rest.split_at_mut(stretch);
        now.sort_unstable_by(order);
        for found in now.iter().filter_map(|one| search.judge(one, fits)) {
            if closest.is_none() {
                closest = Some(found.clone());
            }
            if hang.len() < limit && found.fit.hangs && seen.insert(shown(&found)) {
                hang.push(found);
            } else if !found.fit.hangs && foul.len() < limit {
                foul.push(found);
            }
        }
        rest = later;
    }
    let hanging = hang.len();
    // One that hangs out of another drawer or order makes the same teeth that do not a row too many.
    hang.extend(foul.into_iter().filter(|f| seen.insert(shown(f))));
    hang.truncate(limit);
    mark_closest(&mut hang, closest);
    (total, hang, hanging)
}

/// The row of least error is always listed, though others hang and it does not; it never takes the place of the one
/// row that does.
fn mark_closest(rows: &mut Vec<Found>, closest: Option<Found>) {
    let Some(least) = closest else { return };
    let at = rows.iter().position(|f| f.error.abs() <= least.error.abs());
    if at.is_none() {
        if rows.len() > 1 {
            rows.pop();
        }
        rows.push(least);
    }
    let at = at.unwrap_or(rows.len().saturating_sub(1));
    if let Some(row) = rows.get_mut(at) {
        row.closest = true;
    }
}
