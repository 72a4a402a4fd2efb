//! The day's order: several jobs put in the order that changes gears, levers, compound and bit least.

use crate::job::Mounted;
use crate::quantity::degrees_text;
use crate::say;
use crate::voice::Voice;
use serde::Serialize;
use yoke_gears::changes as gear_changes;
use yoke_gears::train::counts;

/// What a job needs set on its lathe.
#[derive(Debug, Clone, Default, PartialEq)]
pub struct Setting {
    /// The train it hangs.
    pub train: Mounted,
    /// The lever it wants.
    pub gearbox: String,
    /// The compound's angle, degrees, where it is swung.
    pub compound_deg: Option<f64>,
    /// Included angle of its bit, degrees.
    pub bit_deg: Option<f64>,
}

/// One job of the day.
#[derive(Debug, Clone, PartialEq)]
pub struct DayJob {
    /// Its id.
    pub id: String,
    /// What it is called.
    pub title: String,
    /// The lathe it runs on.
    pub lathe: String,
    /// What it needs set; none of a thread a die or a tap makes, which leaves the lathe as it is.
    pub setting: Option<Setting>,
    /// Whether it is in mid-cut: its gears are on its lathe, and its half-nut may be closed. It is never put behind another.
    pub begun: bool,
    /// The job that comes before it, where it is the second of a pair.
    pub after: Option<String>,
}

/// One job in its place, with what is changed for it.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct DayStep {
    /// Its id.
    pub id: String,
    /// What it is called.
    pub title: String,
    /// The lathe it runs on.
    pub lathe: String,
    /// What is changed before it.
    pub changes: Vec<String>,
    /// How many changes that is.
    pub count: usize,
}

/// The day.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Day {
    /// The jobs, in order.
    pub steps: Vec<DayStep>,
    /// Changes in all.
    pub changes: usize,
    /// Changes in the order given; of an order told, those the best would ask.
    pub as_given: usize,
}

/// Up to this many jobs on one lathe every order is weighed; past it, the order is grown and mended.
const EXACT: usize = 12;

/// What is changed from one setting to the next.
struct Changes<'a> {
    to: &'a Setting,
    /// Gears, one by one.
    gears: usize,
    lever: bool,
    compound: bool,
    bit: bool,
}

impl<'a> Changes<'a> {
    fn between(from: &Setting, to: &'a Setting) -> Self {
        let differs = |a: Option<f64>, b: Option<f64>| b.is_some_and(|b| a.is_none_or(|a| (a - b).abs() > 0.01));
        Self {
            to,
            gears: gear_changes(to.train.drivers.iter().copied(), to.train.driven.iter().copied(), &from.train).iter().sum(),
            lever: from.gearbox != to.gearbox,
            compound: differs(from.compound_deg, to.compound_deg),
            bit: differs(from.bit_deg, to.bit_deg),
        }
    }

    fn count(&self) -> usize {
        self.gears + [self.lever, self.compound, self.bit].into_iter().filter(|it| *it).count()
    }

    fn said(&self, voice: Voice) -> Vec<String> {
        let Self { to, gears, .. } = self;
        let deg = |it: Option<f64>| degrees_text(it.unwrap_or(0.0));
        let hang = || say!(voice, "day-gears", n = *gears, drivers = counts(&to.train.drivers), driven = counts(&to.train.driven));
        let lever = || say!(voice, "day-lever", lever = &to.gearbox);
        let compound = || say!(voice, "day-compound", deg = deg(to.compound_deg));
        let bit = || say!(voice, "day-bit", deg = deg(to.bit_deg));
        [(*gears > 0).then(hang), self.lever.then(lever), self.compound.then(compound), self.bit.then(bit)].into_iter().flatten().collect()
    }
}

/// The job in its place, with what is changed for it on a lathe that stands so.
fn step_of(from: &Setting, job: &DayJob, voice: Voice) -> DayStep {
    let changes = job.setting.as_ref().map(|to| Changes::between(from, to));
    DayStep {
        id: job.id.clone(),
        title: job.title.clone(),
        lathe: job.lathe.clone(),
        count: changes.as_ref().map_or(0, Changes::count),
        changes: changes.map_or_else(Vec::new, |c| c.said(voice)),
    }
}

/// How many things are changed for a job on a lathe that stands so.
fn count(from: &Setting, to: &DayJob) -> usize {
    to.setting.as_ref().map_or(0, |to| Changes::between(from, to).count())
}

/// How a lathe stands after a job.
fn after<'a>(from: &'a Setting, job: &'a DayJob) -> &'a Setting {
    job.setting.as_ref().unwrap_or(from)
}

/// Changes of the jobs of one lathe in this order.
fn cost(from: &Setting, jobs: &[&DayJob], order: &[usize]) -> usize {
    let mut at = from;
    order
        .iter()
        .map(|i| {
            let changed = count(at, jobs[*i]);
            at = after(at, jobs[*i]);
            changed
        })
        .sum()
}

/// Which of these jobs must come before each: its pair's first. Two that each follow the other, both told what the mate was made to, wait for
/// neither.
fn before_each(jobs: &[&DayJob]) -> Vec<Option<usize>> {
    let first = |j: &DayJob| jobs.iter().position(|o| j.after.as_ref() == Some(&o.id) && o.after.as_ref() != Some(&j.id));
    jobs.iter().map(|j| first(j)).collect()
}

/// Whether every pair keeps its order.
fn keeps(before: &[Option<usize>], order: &[usize]) -> bool {
    let place = |i: usize| order.iter().position(|o| *o == i);
    order.iter().all(|i| before[*i].is_none_or(|first| place(first) < place(*i)))
}

/// The order of the jobs of one lathe: what is in mid-cut first, as given; then what changes nothing, but for the second of a pair, which
/// follows its first; then the best of the rest.
fn best(from: &Setting, jobs: &[&DayJob]) -> Vec<usize> {
    let (mut order, rest): (Vec<usize>, Vec<usize>) = (0..jobs.len()).partition(|i| jobs[*i].begun);
    let at = order.iter().fold(from, |at, i| after(at, jobs[*i]));
    let (free, set): (Vec<usize>, Vec<usize>) = rest.into_iter().partition(|i| jobs[*i].setting.is_none());
    let follows = |i: &usize, first: usize| jobs[*i].after.as_ref() == Some(&jobs[first].id);
    let (waiting, free): (Vec<usize>, Vec<usize>) = free.into_iter().partition(|i| set.iter().any(|first| follows(i, *first)));
    // Of two that change nothing the first of a pair still comes first.
    let (second, first): (Vec<usize>, Vec<usize>) = free.iter().copied().partition(|i| free.iter().any(|other| follows(i, *other)));
    order.extend(first.into_iter().chain(second));
    let left: Vec<&DayJob> = set.iter().map(|i| jobs[*i]).collect();
    for i in least(at, &left).into_iter().map(|i| set[i]) {
        order.push(i);
        order.extend(waiting.iter().copied().filter(|w| follows(w, i)));
    }
    order
}

/// The best order of jobs none of which is begun: exact by the least cost of every set of jobs ending in each, else grown from the
/// nearest and mended by turning stretches about. Never worse than the order given.
fn least(from: &Setting, jobs: &[&DayJob]) -> Vec<usize> {
    let n = jobs.len();
    let given: Vec<usize> = (0..n).collect();
    let before = before_each(jobs);
    let found = if n <= EXACT { exact(from, jobs, &before) } else { mended(from, jobs, &before) };
    if keeps(&before, &given) && cost(from, jobs, &found) >= cost(from, jobs, &given) { given } else { found }
}

fn exact(from: &Setting, jobs: &[&DayJob], first: &[Option<usize>]) -> Vec<usize> {
    let n = jobs.len();
    let step = |a: usize, b: usize| count(after(from, jobs[a]), jobs[b]);
    let sets = 1_usize << n;
    // Least changes to have done a set of jobs, ending in each; and the one before.
    let mut least = vec![vec![usize::MAX; n]; sets];
    let mut before = vec![vec![usize::MAX; n]; sets];
    for i in (0..n).filter(|i| first[*i].is_none()) {
        least[1 << i][i] = count(from, jobs[i]);
    }
    for set in 1..sets {
        for last in (0..n).filter(|l| set >> l & 1 == 1) {
            let so_far = least[set][last];
            if so_far == usize::MAX {
                continue;
            }
            for next in (0..n).filter(|x| set >> x & 1 == 0 && first[*x].is_none_or(|f| set >> f & 1 == 1)) {
                let (with, total) = (set | 1 << next, so_far + step(last, next));
                if total < least[with][next] {
                    least[with][next] = total;
                    before[with][next] = last;
                }
            }
        }
    }
    let mut set = sets - 1;
    let Some(mut last) = (0..n).min_by_key(|l| least[set][*l]) else { return Vec::new() };
    let mut order = Vec::with_capacity(n);
    loop {
        order.push(last);
        let previous = before[set][last];
        set &= !(1 << last);
        if previous == usize::MAX {
            break;
        }
        last = previous;
    }
    order.reverse();
    order
}

fn mended(from: &Setting, jobs: &[&DayJob], first: &[Option<usize>]) -> Vec<usize> {
    let mut left: Vec<usize> = (0..jobs.len()).collect();
    let mut order = Vec::new();
    let mut at = from;
    let may = |left: &[usize], k: usize| first[left[k]].is_none_or(|f| !left.contains(&f));
    while let Some(k) = (0..left.len()).filter(|k| may(&left, *k)).min_by_key(|k| count(at, jobs[left[*k]])) {
        let next = left.remove(k);
        at = after(at, jobs[next]);
        order.push(next);
    }
    let mut least = cost(from, jobs, &order);
    let mut better = true;
    while better {
        better = false;
        for i in 0..order.len() {
            for j in i + 1..order.len() {
                order[i..=j].reverse();
                let now = cost(from, jobs, &order);
                if now < least && keeps(first, &order) {
                    least = now;
                    better = true;
                } else {
                    order[i..=j].reverse();
                }
            }
        }
    }
    order
}

/// Puts the jobs in order, lathe by lathe as the lathes are first named; `now` is what each lathe has on it.
#[must_use]
pub fn order(jobs: &[DayJob], now: &dyn Fn(&str) -> Setting, voice: Voice) -> Day {
    let mut lathes: Vec<&str> = Vec::new();
    for job in jobs {
        if !lathes.contains(&job.lathe.as_str()) {
            lathes.push(&job.lathe);
        }
    }
    let (mut steps, mut as_given) = (Vec::new(), 0);
    for lathe in lathes {
        let own: Vec<&DayJob> = jobs.iter().filter(|j| j.lathe == lathe).collect();
        let from = now(lathe);
        as_given += cost(&from, &own, &(0..own.len()).collect::<Vec<_>>());
        let mut at = &from;
        for i in best(&from, &own) {
            let job = own[i];
            steps.push(step_of(at, job, voice));
            at = after(at, job);
        }
    }
    Day { changes: steps.iter().map(|s| s.count).sum(), steps, as_given }
}

/// The jobs in the order told, whatever it changes, with the changes it asks and those the best order would.
#[must_use]
pub fn in_order_told(jobs: &[DayJob], now: &dyn Fn(&str) -> Setting, voice: Voice) -> Day {
    let least = order(jobs, now, voice).changes;
    let mut on: Vec<(&str, Setting)> = Vec::new();
    let mut steps = Vec::new();
    for job in jobs {
        let at = on.iter().position(|(lathe, _)| *lathe == job.lathe).unwrap_or_else(|| {
            on.push((&job.lathe, now(&job.lathe)));
            on.len() - 1
        });
        steps.push(step_of(&on[at].1, job, voice));
        on[at].1 = after(&on[at].1, job).clone();
    }
    Day { changes: steps.iter().map(|s| s.count).sum(), steps, as_given: least }
}
