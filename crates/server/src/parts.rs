//! The whole parts of a batch: every thread of each, slot by slot, whichever of them was begun again.

use crate::stored::{self, Failed};
use yoke_core::thread::{Side, callout};
use yoke_store::{JobRow, Store};

/// A part at its place in a batch, with a slot for every thread the batch's parts have.
pub struct WholePart {
    /// Its place, from 1.
    pub place: i64,
    /// What its jobs belong to together.
    pub part: String,
    /// Its jobs, slot by slot; none where a piece was begun again and stands elsewhere.
    pub slots: Vec<Option<JobRow>>,
}

impl WholePart {
    /// Its jobs, in order.
    pub fn jobs(&self) -> impl Iterator<Item = &JobRow> {
        self.slots.iter().flatten()
    }
}

/// The slot of a batch's parts that this job is in.
pub fn slot_of(parts: &[WholePart], job: &str) -> Option<usize> {
    parts.iter().find_map(|p| p.slots.iter().position(|s| s.as_ref().is_some_and(|j| j.id == job)))
}

/// The part that stands at each place: not one that was begun again.
pub fn standing(parts: &[WholePart]) -> impl Iterator<Item = &WholePart> {
    parts.iter().enumerate().filter(|(at, p)| parts[at + 1..].iter().all(|later| later.place != p.place)).map(|(_, p)| p)
}

/// Whether this job of a part is on a piece of its own: only one that has its mate earlier in the part is.
pub fn is_apart<'a>(part: impl IntoIterator<Item = &'a JobRow>, job: &JobRow) -> bool {
    part.into_iter().take_while(|j| j.id != job.id).any(|j| Some(&j.id) == job.mate.as_ref())
}

/// What a job belongs to with others: its part, or itself alone.
fn part_of(job: &JobRow) -> &str {
    job.part.as_deref().unwrap_or(&job.id)
}

/// What a job cuts, whatever its hand: the same in every part.
fn thread_of(job: &JobRow) -> (Option<Side>, String) {
    let Ok(read) = stored::request(job) else { return (None, String::new()) };
    let thread = read.read.thread;
    let Some(spec) = thread.callout.as_deref().and_then(|text| callout::read(text).ok()) else { return (thread.side, String::new()) };
    (Some(thread.side.unwrap_or(spec.side)), format!("{}/{}", spec.size, spec.pitch_text()))
}

/// The parts of a batch, by place, those begun again after those they replace.
pub fn whole_parts(store: &Store, batch: &str) -> Result<Vec<WholePart>, Failed> {
    Ok(in_slots(store.batch(batch)?))
}

/// The same of its jobs, given by place and as they were made.
fn in_slots(rows: Vec<JobRow>) -> Vec<WholePart> {
    let mut groups: Vec<(i64, String, Vec<JobRow>)> = Vec::new();
    for row in rows {
        let (place, part) = (row.place.unwrap_or(0), part_of(&row).to_owned());
        match groups.iter_mut().find(|(at, of, _)| *at == place && *of == part) {
            Some((.., jobs)) => jobs.push(row),
            None => groups.push((place, part, vec![row])),
        }
    }
    // The fullest, and of those the first, says what the slots are.
    let most = groups.iter().map(|g| g.2.len()).max().unwrap_or(0);
    let slots: Vec<_> = groups.iter().find(|g| g.2.len() == most).map(|g| g.2.iter().map(thread_of).collect()).unwrap_or_default();
    groups.into_iter().map(|(place, part, jobs)| WholePart { place, part, slots: placed(jobs, &slots) }).collect()
}

/// Jobs in their slots: by the thread they cut, and what is left over in order.
fn placed(jobs: Vec<JobRow>, slots: &[(Option<Side>, String)]) -> Vec<Option<JobRow>> {
    let mut out: Vec<Option<JobRow>> = slots.iter().map(|_| None).collect();
    let mut over = Vec::new();
    for job in jobs {
        let thread = thread_of(&job);
        match slots.iter().enumerate().position(|(i, slot)| *slot == thread && out[i].is_none()) {
            Some(i) => out[i] = Some(job),
            None => over.push(job),
        }
    }
    for job in over {
        match out.iter().position(Option::is_none) {
            Some(i) => out[i] = Some(job),
            None => out.push(Some(job)),
        }
    }
    out
}
