//! What was learned: how much a lathe springs in a material, put together from the jobs cut on it.
//!
//! Every job's estimate began from the same guess of the spring; put together, that guess counts once: precisions add, and
//! it is taken out of all jobs but one (Bayes' rule for normal beliefs).

use crate::gauge::{SPRING, SPRING_SD, TipFound};
use crate::quantity::plain_text;
use crate::say;
use crate::voice::Voice;
use serde::Serialize;

/// One job that learned something.
#[derive(Debug, Clone)]
pub struct JobLearned {
    /// Its lathe's name.
    pub lathe: String,
    /// Its material's name.
    pub material: String,
    /// How it was fed.
    pub style: String,
    /// What its readings found.
    pub found: TipFound,
    /// Flat the bit was told to have, mm, where it was measured.
    pub told_flat_mm: Option<f64>,
    /// How long after the mark each pass that ran past it was ended, s.
    pub reactions_s: Vec<f64>,
    /// What it is called, for the sizes of mates.
    pub title: String,
}

/// How long after the mark a pass was ended that ran so far past it, s: the carriage goes a lead a turn.
#[must_use]
pub fn reaction_s(past_mm: f64, lead_mm: f64, rpm: f64) -> Option<f64> {
    let speed = lead_mm * rpm / 60.0;
    (speed > 0.0).then_some(past_mm / speed)
}

/// What is known of one lathe in one material.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Learned {
    /// The lathe.
    pub lathe: String,
    /// The material.
    pub material: String,
    /// The style, where all its jobs were of one.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub style: Option<String>,
    /// Jobs it rests on.
    pub jobs: usize,
    /// Share of a cut that springs away.
    pub spring: f64,
    /// Give or take: two standard deviations.
    pub spring_doubt: f64,
    /// How much wider tips were found than told, mm; absent where none was told.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub tip_wear_mm: Option<f64>,
    /// The same in words, where it is worth a word.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub tip_says: Option<String>,
    /// Seconds from the mark to the hand, longest of nineteen in twenty, from passes told to have run past; absent before three were.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub reaction_s: Option<f64>,
    /// Mates as found by trying them on: job by job, in words.
    #[serde(skip_serializing_if = "Vec::is_empty")]
    pub mates: Vec<String>,
    /// In words.
    pub says: String,
}

/// A tip found this far from what was told is worth a word, mm. House value.
const WORN_MM: f64 = 0.005;

/// Puts the jobs together, a line a lathe and material, in their order.
#[must_use]
pub fn learned(jobs: &[JobLearned], voice: Voice) -> Vec<Learned> {
    let mut groups: Vec<Vec<&JobLearned>> = Vec::new();
    for job in jobs.iter().filter(|j| j.found.readings > 0 || !j.reactions_s.is_empty()) {
        match groups.iter_mut().find(|g| g[0].lathe == job.lathe && g[0].material == job.material) {
            Some(group) => group.push(job),
            None => groups.push(vec![job]),
        }
    }
    groups.into_iter().map(|g| together(&g, voice)).collect()
}

#[allow(clippy::cast_precision_loss)] // jobs of a shop
fn together(jobs: &[&JobLearned], voice: Voice) -> Learned {
    let prior = SPRING_SD.powi(-2);
    let beliefs = jobs.iter().map(|j| ((j.found.spring_doubt / 2.0).max(1e-3).powi(-2), j.found.spring));
    let (weight, sum) = beliefs.fold((0.0, 0.0), |(w, s), (wi, xi)| (w + wi, s + wi * xi));
    let again = prior * (jobs.len() as f64 - 1.0);
    // A belief no sharper than the guess it began from adds nothing.
    let (weight, sum) = if weight - again > prior { (weight - again, sum - again * SPRING) } else { (prior, prior * SPRING) };
    let (spring, spring_doubt) = ((sum / weight).clamp(0.0, 0.6), 2.0 / weight.sqrt());
    let worn: Vec<f64> = jobs.iter().filter_map(|j| Some(j.found.flat_mm - j.told_flat_mm?)).collect();
    let tip_wear_mm = (!worn.is_empty()).then(|| worn.iter().sum::<f64>() / worn.len() as f64);
    let mates = jobs.iter().filter_map(|j| Some(say!(voice, "learned-mate", title = &j.title, size = voice.length(j.found.mate_mm?)))).collect();
    let style = jobs.iter().all(|j| j.style == jobs[0].style).then(|| jobs[0].style.clone());
    let (lathe, material) = (jobs[0].lathe.clone(), jobs[0].material.clone());
    let count = jobs.len();
    Learned {
        says: say!(
            voice,
            "learned-spring",
            lathe = &lathe,
            material = &material,
            n = count,
            spring = plain_text(100.0 * spring, 0),
            doubt = plain_text(100.0 * spring_doubt, 0)
        ),
        lathe,
        material,
        style,
        jobs: count,
        spring,
        spring_doubt,
        tip_says: tip_wear_mm
            .filter(|w| w.abs() > WORN_MM)
            .map(|w| say!(voice, "learned-tips", by = voice.coarse(w.abs()), way = if w > 0.0 { "wider" } else { "narrower" })),
        tip_wear_mm,
        reaction_s: own_reaction(jobs),
        mates,
    }
}

/// Mean of some figures and their spread about it, two of them at least.
#[allow(clippy::cast_precision_loss)] // tries of a hand
pub(crate) fn mean_and_spread(of: impl Iterator<Item = f64> + Clone) -> [f64; 2] {
    let n = of.clone().count() as f64;
    let mean = of.clone().sum::<f64>() / n;
    [mean, (of.map(|t| (t - mean).powi(2)).sum::<f64>() / (n - 1.0)).sqrt()]
}

/// What nineteen in twenty of the times told stay under: their mean and twice their spread, to the tenth of a second above.
fn own_reaction(jobs: &[&JobLearned]) -> Option<f64> {
    let all: Vec<f64> = jobs.iter().flat_map(|j| j.reactions_s.iter().copied()).collect();
    if all.len() < 3 {
        return None;
    }
    let [mean, spread] = mean_and_spread(all.iter().copied());
    Some(((mean + 2.0 * spread) * 10.0).ceil() / 10.0)
}
