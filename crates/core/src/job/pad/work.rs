//! The bench pad settled, its sums fed into the facts, and worked.

use super::sum::{Feeds, SumKind, SumRequest};
use crate::faults::Checker;
use crate::job::{BlankRequest, PlanRequest, SetupRequest, ThreadRequest};
use crate::voice::Voice;
use crate::working::{Num, Quantity, Working, Worksheet};
use crate::{say, sentence};
use serde::Serialize;

/// A fact a sum may feed, and how it is said.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct FeedChoice {
    /// The fact.
    pub feeds: Feeds,
    /// As it is said.
    pub says: String,
}

/// The facts a sum may feed, said, in the order they are offered.
#[must_use]
pub fn feeds_said(voice: Voice) -> [FeedChoice; 11] {
    Feeds::ALL.map(|feeds| FeedChoice { feeds, says: feeds.says(voice) })
}

impl Feeds {
    /// As it is said.
    #[must_use]
    pub fn says(self, voice: Voice) -> String {
        match self {
            Self::BlankDiameter => say!(voice, "feeds-blank-diameter"),
            Self::ThreadLength => say!(voice, "feeds-thread-length"),
            Self::ReliefWidth => say!(voice, "feeds-relief-width"),
            Self::ReliefDiameter => say!(voice, "feeds-relief-diameter"),
            Self::RunoutRoom => say!(voice, "feeds-runout-room"),
            Self::FromEnd => say!(voice, "feeds-from-end"),
            Self::ShoulderDiameter => say!(voice, "feeds-shoulder-diameter"),
            Self::StickOut => say!(voice, "feeds-stick-out"),
            Self::PlainSize => say!(voice, "feeds-plain-size"),
            Self::PlainLength => say!(voice, "feeds-plain-length"),
            Self::PlainPlace => say!(voice, "feeds-plain-place"),
        }
    }

    /// The field of a request it feeds: of a plain size, that of the sum's own name; none where there is none of it.
    fn field<'a>(self, request: &'a mut PlanRequest, name: &str) -> Option<&'a mut Option<f64>> {
        let PlanRequest {
            thread: ThreadRequest { length_mm, .. },
            blank: BlankRequest { diameter_mm, relief_width_mm, relief_diameter_mm, from_end_mm, shoulder_mm, stick_out_mm, plain, .. },
            setup: SetupRequest { runout_mm, .. },
            ..
        } = request;
        let size = plain.iter_mut().find(|p| p.name == name);
        Some(match self {
            Self::BlankDiameter => diameter_mm,
            Self::ThreadLength => length_mm,
            Self::ReliefWidth => relief_width_mm,
            Self::ReliefDiameter => relief_diameter_mm,
            Self::RunoutRoom => runout_mm,
            Self::FromEnd => from_end_mm,
            Self::ShoulderDiameter => shoulder_mm,
            Self::StickOut => stick_out_mm,
            Self::PlainSize => &mut size?.nominal_mm,
            Self::PlainLength => &mut size?.long_mm,
            Self::PlainPlace => &mut size?.at_mm,
        })
    }

    /// Whether several sums may feed it, each the size of its own name.
    const fn is_of_a_size(self) -> bool {
        matches!(self, Self::PlainSize | Self::PlainLength | Self::PlainPlace)
    }
}

/// One figure, settled.
#[derive(Debug, Clone, Copy, PartialEq)]
pub enum Figure {
    /// As measured.
    Told(f64),
    /// The result of the sum at this place among those worked.
    Sum(usize),
}

/// One sum, settled: it takes only sums worked before it.
#[derive(Debug, Clone, PartialEq)]
pub struct SumFacts {
    /// What it is called.
    pub name: String,
    /// What it does.
    pub kind: SumKind,
    /// Its figures.
    pub figures: Vec<Figure>,
    /// Its result.
    pub value: f64,
    /// The fact it feeds.
    pub feeds: Option<Feeds>,
}

/// One sum, worked.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct SumLine {
    /// What it is called.
    pub name: String,
    /// What it does.
    pub kind: SumKind,
    /// Its result.
    pub result: Quantity,
    /// The fact it feeds.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub feeds: Option<Feeds>,
}

/// A pad worked by itself, beside a plan that was frozen before it: its lines, and the workings they open.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct PadWorked {
    /// The sums.
    pub lines: Vec<SumLine>,
    /// How each was got.
    pub workings: Vec<Working>,
}

/// Works the pad of a request by itself: what its sums would feed stands as it was frozen. None where one of them does not work.
#[must_use]
pub fn worked(request: &PlanRequest, voice: Voice) -> Option<PadWorked> {
    let mut c = Checker::spoken(voice);
    let sums = settle(&mut request.clone(), &mut c);
    let mut sheet = Worksheet::spoken(voice);
    let lines = section(&mut sheet, &sums).into_iter().map(|line| SumLine { feeds: None, ..line }).collect();
    c.faults.is_empty().then(|| PadWorked { lines, workings: sheet.finish() })
}

/// More sums than this are not a bench pad.
const MOST: usize = 40;

/// Settles the sums in an order in which each takes only those before it, and feeds their results into
/// the request.
pub(crate) fn settle(request: &mut PlanRequest, c: &mut Checker) -> Vec<SumFacts> {
    let asked = request.pad.clone();
    if asked.len() > MOST {
        c.fault("/pad", sentence!("fact-sums-too-many-pad-holds", asked = asked.len(), most = MOST));
        return Vec::new();
    }
    check(&asked, c);
    let mut done: Vec<SumFacts> = Vec::new();
    let mut left: Vec<(usize, &SumRequest)> = asked.iter().enumerate().collect();
    while !left.is_empty() {
        let before = left.len();
        left.retain(|(at, sum)| match reckon(sum, &done) {
            None => true,
            Some(facts) => {
                if facts.value.is_finite() {
                    done.push(facts);
                } else {
                    c.fault(format!("/pad/{at}/figures"), sentence!("fact-no-result-distance-apart-must", sum = sum.name));
                }
                false
            }
        });
        if left.len() == before {
            for (at, sum) in &left {
                // One that waits on a sum that is itself faulty has been named already.
                if c.faults.is_empty() {
                    c.fault(format!("/pad/{at}/figures"), sentence!("fact-goes-round-circle-give-one", sum = sum.name));
                }
            }
            break;
        }
    }
    for (at, sum) in asked.iter().enumerate() {
        let (Some(feeds), Some(value)) = (sum.feeds, done.iter().find(|d| d.name == sum.name).map(|d| d.value)) else { continue };
        if !feeds.is_of_a_size() && asked[..at].iter().any(|other| other.feeds == Some(feeds)) {
            c.fault(format!("/pad/{at}/feeds"), sentence!("fact-two-sums-feed-let-one", says = feeds.says(c.voice)));
        }
        match feeds.field(request, &sum.name) {
            Some(field) => *field = Some(value),
            None => c.fault(format!("/pad/{at}/feeds"), sentence!("fact-no-size-of-that-name", name = &sum.name)),
        }
    }
    done
}

/// Names, figures and their bounds.
fn check(asked: &[SumRequest], c: &mut Checker) {
    for (at, sum) in asked.iter().enumerate() {
        let count = sum.name.trim().chars().count();
        if !(1..=40).contains(&count) {
            c.fault(format!("/pad/{at}/name"), sentence!("fact-sum-name-1-40-characters"));
        } else if asked[..at].iter().any(|other| other.name == sum.name) {
            c.fault(format!("/pad/{at}/name"), sentence!("fact-name-another-sum-give-each", sum = sum.name));
        }
        let takes = sum.kind.rule().takes;
        if sum.figures.len() != takes.len() {
            let wanted = takes.iter().map(|s| s.meaning).collect::<Vec<_>>().join(", ");
            c.fault(format!("/pad/{at}/figures"), sentence!("fact-takes", sum = sum.name, takes = takes.len(), wanted = wanted));
        }
        for (i, figure) in sum.figures.iter().enumerate().take(8) {
            let place = format!("/pad/{at}/figures/{i}");
            match (&figure.value, &figure.from) {
                (Some(v), None) => {
                    c.within(*v, -5000.0, 5000.0, &place, "");
                }
                (None, Some(name)) if asked.iter().any(|other| other.name == *name) => {}
                (None, Some(name)) => c.fault(place, sentence!("fact-there-no-sum-pad", name = name)),
                _ => c.fault(place, sentence!("fact-wants-figure-another-sum", sum = sum.name, meaning = takes.get(i).map_or("this", |s| s.meaning))),
            }
        }
    }
}

/// A sum worked, once everything it takes is.
fn reckon(sum: &SumRequest, done: &[SumFacts]) -> Option<SumFacts> {
    let figures: Option<Vec<Figure>> =
        sum.figures.iter().map(|f| f.value.map(Figure::Told).or_else(|| done.iter().position(|d| Some(&d.name) == f.from.as_ref()).map(Figure::Sum))).collect();
    let figures = figures.filter(|f| f.len() == sum.kind.rule().takes.len())?;
    let values: Vec<f64> = figures
        .iter()
        .map(|f| match *f {
            Figure::Told(v) => v,
            Figure::Sum(i) => done.get(i).map_or(f64::NAN, |d| d.value),
        })
        .collect();
    Some(SumFacts { name: sum.name.clone(), kind: sum.kind, value: (sum.kind.rule().eval)(&values), figures, feeds: sum.feeds })
}

/// The pad's lines, each with its working.
pub(crate) fn section(sheet: &mut Worksheet, sums: &[SumFacts]) -> Vec<SumLine> {
    let voice = sheet.voice();
    let mut results: Vec<Num> = Vec::new();
    sums.iter()
        .map(|sum| {
            let of: Vec<Num> = sum
                .figures
                .iter()
                .map(|f| match *f {
                    Figure::Told(v) => v.into(),
                    Figure::Sum(i) => results.get(i).copied().unwrap_or_else(|| f64::NAN.into()),
                })
                .collect();
            let result = sheet.apply_all(sum.kind.rule(), &of, Some(sum.name.clone()));
            results.push(result);
            SumLine { name: sum.name.clone(), kind: sum.kind, result: Quantity::length(voice, result), feeds: sum.feeds }
        })
        .collect()
}
