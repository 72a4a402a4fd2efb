//! The tally of a batch: every part's thread and plain sizes against their limits, and whether a size drifts from part to part.

use super::MOST_PARTS;
use crate::csv_out;
use crate::gauge::{Verdict, VerdictKind};
use crate::outline::{Dimension, Drawing, Point, Shape};
use crate::quantity::plain_text;
use crate::run::READING_DOUBT_MM;
use crate::say;
use crate::voice::Voice;
use crate::working::Quantity;
use serde::Serialize;

/// A thread of a part as it was made.
#[derive(Debug, Clone, Default)]
pub struct ThreadResult {
    /// Its job.
    pub job: String,
    /// The last verdict on it.
    pub verdict: Option<Verdict>,
    /// The flat its tip was found to have, with its doubt, mm.
    pub flat_mm: Option<[f64; 2]>,
}

/// A thread every part of the batch has.
#[derive(Debug, Clone, PartialEq)]
pub struct BatchThread {
    /// As it is called.
    pub name: String,
    /// Limits of its pitch diameter, mm.
    pub limits_mm: [f64; 2],
}

/// A part as it was made.
#[derive(Debug, Clone, Default)]
pub struct PartResult {
    /// Its first job.
    pub job: String,
    /// Its place in the batch, from 1; a part begun again keeps it.
    pub place: usize,
    /// Hand and the like, where parts differ.
    pub says: String,
    /// Its threads, in the batch's order; none where a piece was begun again without the others.
    pub threads: Vec<Option<ThreadResult>>,
    /// Plain sizes read, by name, mm.
    pub sizes: Vec<(String, f64)>,
    /// Why it was scrapped, if it was.
    pub scrapped: Option<String>,
    /// Whether its first pass is cut.
    pub begun: bool,
    /// How its run stands, in words.
    pub stands: String,
}

/// How a size stands.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum SizeState {
    /// Not read.
    NotRead,
    /// In limits.
    In,
    /// Outside them.
    Out,
    /// Nothing limits it.
    Free,
}

/// One size of one part.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Cell {
    /// As read.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub read: Option<Quantity>,
    /// How it stands.
    pub stands: SizeState,
}

/// A part in the tally.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Row {
    /// Its job.
    pub job: String,
    /// Its place.
    pub place: usize,
    /// Hand and the like.
    pub says: String,
    /// Whether its first pass is cut.
    pub begun: bool,
    /// How its run stands.
    pub stands: String,
    /// Why it was scrapped.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub scrapped: Option<String>,
    /// The job of each of its threads, in the order of their columns.
    pub threads: Vec<Option<String>>,
    /// Its sizes, a column each.
    pub cells: Vec<Cell>,
}

/// How a size goes from part to part.
#[derive(Debug, Clone, Copy, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Drift {
    /// A part, mm.
    pub each_mm: f64,
    /// Give or take, mm: the 95 % bounds.
    pub doubt_mm: f64,
    /// Whether it is more than scatter.
    pub real: bool,
    /// What the next part is to be expected at, mm.
    pub next_mm: f64,
    /// Parts from the last to the first past a limit, where it goes on so; absent when none within the batch's length.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub past_in: Option<usize>,
}

/// A size of every part.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Column {
    /// What it is.
    pub name: String,
    /// Its limits, where it has any.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub limits_mm: Option<[Quantity; 2]>,
    /// Parts read.
    pub read: usize,
    /// Of those, in limits.
    pub within: usize,
    /// Whether it is the threading tool's own, which no limit binds.
    pub of_tool: bool,
    /// The slot of the thread whose tool it is.
    #[serde(skip)]
    pub tool_of: Option<usize>,
    /// How it goes from part to part; absent before three were read.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub drift: Option<Drift>,
    /// In words.
    pub says: String,
    /// Its chart; absent before the first reading.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub chart: Option<Drawing>,
}

/// The tally.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Tally {
    /// Its columns.
    pub columns: Vec<Column>,
    /// Its rows, in the order the parts were begun.
    pub rows: Vec<Row>,
    /// Parts wanted.
    pub wanted: usize,
    /// Parts good.
    pub good: usize,
    /// Parts scrapped.
    pub scrapped: usize,
    /// In one sentence.
    pub says: String,
}

/// What a size is of.
#[derive(Clone, Copy, PartialEq)]
enum SizeKind {
    /// Of the thread at this place among the part's.
    Thread(usize),
    Plain,
    /// Of the tool that cut it.
    Tool(usize),
}

/// A size a batch is tallied by.
struct Asked {
    name: String,
    of: SizeKind,
    limits: Option<[f64; 2]>,
}

impl Asked {
    /// As read of a part, mm, with what the reading is good to: two standard deviations.
    fn read(&self, part: &PartResult) -> Option<[f64; 2]> {
        match self.of {
            SizeKind::Thread(i) => {
                let sure = thread(part, i).and_then(|t| t.verdict.as_ref()).filter(|v| v.verdict != VerdictKind::Unsure);
                sure.map(|v| [v.pitch_diameter_mm.value, READING_DOUBT_MM])
            }
            SizeKind::Plain => part.sizes.iter().rev().find(|s| s.0 == self.name).map(|s| [s.1, PLAIN_DOUBT_MM]),
            SizeKind::Tool(i) => thread(part, i).and_then(|t| t.flat_mm),
        }
    }
}

fn thread(part: &PartResult, i: usize) -> Option<&ThreadResult> {
    part.threads.get(i)?.as_ref()
}

/// Doubt of a plain reading by micrometer, mm. House value.
const PLAIN_DOUBT_MM: f64 = 0.01;

/// A column's name: of one thread its bare one, of several with the thread it is of, told apart where two are called alike.
fn named(bare: &str, i: usize, threads: &[BatchThread]) -> String {
    let Some(thread) = threads.get(i).filter(|_| threads.len() > 1) else { return bare.to_owned() };
    let before = threads[..i].iter().filter(|t| t.name == thread.name).count();
    let again = if before > 0 || threads[i + 1..].iter().any(|t| t.name == thread.name) { format!(" ({})", before + 1) } else { String::new() };
    format!("{}{again}: {bare}", thread.name)
}

/// Tallies the parts, given in the order they were begun, each with all these threads; `plain` are the limits of the plain sizes.
#[must_use]
pub fn tally(parts: &[PartResult], threads: &[BatchThread], plain: &[(String, [f64; 2])], voice: Voice) -> Tally {
    let (size, flat) = (say!(voice, "tally-pitch-diameter"), say!(voice, "tally-flat"));
    let of_thread = |(i, t): (usize, &BatchThread)| Asked { name: named(&size, i, threads), of: SizeKind::Thread(i), limits: Some(t.limits_mm) };
    let mut asked: Vec<Asked> = threads.iter().enumerate().map(of_thread).collect();
    asked.extend(plain.iter().map(|(name, limits)| Asked { name: name.clone(), of: SizeKind::Plain, limits: Some(*limits) }));
    let found = |i: &usize| parts.iter().any(|p| thread(p, *i).is_some_and(|t| t.flat_mm.is_some()));
    asked.extend((0..threads.len()).filter(found).map(|i| Asked { name: named(&flat, i, threads), of: SizeKind::Tool(i), limits: None }));
    let rows: Vec<Row> = parts
        .iter()
        .map(|part| {
            let cells = asked.iter().map(|a| cell(a.read(part).map(|r| r[0]), a.limits, voice)).collect();
            Row {
                job: part.job.clone(),
                place: part.place,
                says: part.says.clone(),
                begun: part.begun,
                stands: part.stands.clone(),
                scrapped: part.scrapped.clone(),
                threads: part.threads.iter().map(|t| t.as_ref().map(|t| t.job.clone())).collect(),
                cells,
            }
        })
        .collect();
    let wanted = parts.iter().map(|p| p.place).max().unwrap_or(0).min(MOST_PARTS);
    let columns = asked
        .iter()
        .map(|asked| {
            let told = |(n, part): (usize, &PartResult)| {
                let [mm, doubt] = asked.read(part)?;
                Some(TallyPoint { n, place: part.place, mm, doubt, scrapped: part.scrapped.is_some() })
            };
            let points: Vec<TallyPoint> = parts.iter().enumerate().filter_map(told).collect();
            column(asked, &points, parts.len(), wanted, voice)
        })
        .collect();
    let scrapped = rows.iter().filter(|r| r.scrapped.is_some()).count();
    let good = rows.iter().filter(|r| good(r, threads.len())).count();
    Tally { says: say!(voice, "tally-good", good = good, wanted = wanted, scrapped = scrapped), columns, rows, wanted, good, scrapped }
}

/// Not scrapped, its threads read, every one, and everything read of it in limits.
fn good(row: &Row, threads: usize) -> bool {
    let read = row.cells.iter().take(threads).all(|c| c.stands == SizeState::In);
    row.scrapped.is_none() && read && row.cells.iter().all(|c| c.stands != SizeState::Out)
}

fn cell(read: Option<f64>, limits: Option<[f64; 2]>, voice: Voice) -> Cell {
    let stands = match (read, limits) {
        (None, _) => SizeState::NotRead,
        (Some(_), None) => SizeState::Free,
        (Some(mm), Some(limits)) if within(mm, limits) => SizeState::In,
        _ => SizeState::Out,
    };
    Cell { read: read.map(|v| Quantity::length(voice, v)), stands }
}

fn within(mm: f64, [low, high]: [f64; 2]) -> bool {
    (low - 5e-7..=high + 5e-7).contains(&mm)
}

/// A reading in its order.
struct TallyPoint {
    /// Among the parts begun, from nought.
    n: usize,
    place: usize,
    mm: f64,
    doubt: f64,
    scrapped: bool,
}

/// Student's t that 95 % lie within, by degrees of freedom from 1; past the table, the normal's. Standard table.
const STUDENT: [f64; 12] = [12.706, 4.303, 3.182, 2.776, 2.571, 2.447, 2.365, 2.306, 2.262, 2.228, 2.201, 2.179];

/// The straight line through the readings by least squares; its slope is real when its 95 % bounds leave nought out. Its scatter is
/// taken no smaller than the readings' own doubt.
#[allow(clippy::cast_precision_loss)] // parts of a batch
fn drift(points: &[TallyPoint], limits: Option<[f64; 2]>, wanted: usize) -> Option<Drift> {
    let count = points.len() as f64;
    if points.len() < 3 {
        return None;
    }
    let x = |p: &TallyPoint| p.n as f64;
    let (mean_x, mean_y) = (points.iter().map(x).sum::<f64>() / count, points.iter().map(|p| p.mm).sum::<f64>() / count);
    let spread: f64 = points.iter().map(|p| (x(p) - mean_x).powi(2)).sum();
    let each_mm = points.iter().map(|p| (x(p) - mean_x) * (p.mm - mean_y)).sum::<f64>() / spread;
    let line = |at: f64| mean_y + each_mm * (at - mean_x);
    let left: f64 = points.iter().map(|p| (p.mm - line(x(p))).powi(2)).sum();
    let own = points.iter().map(|p| (p.doubt / 2.0).powi(2)).sum::<f64>() / count;
    let sd = (left / (count - 2.0)).max(own).sqrt();
    let doubt_mm = STUDENT.get(points.len() - 3).copied().unwrap_or(1.98) * sd / spread.sqrt();
    let real = each_mm.abs() > doubt_mm && each_mm.abs() > 1e-6;
    let last = points.iter().map(x).fold(0.0, f64::max);
    let past_in = limits.filter(|_| real).and_then(|limits| (1..=wanted.max(3)).find(|k| !within(line(last + *k as f64), limits)));
    Some(Drift { each_mm, doubt_mm, real, next_mm: line(last + 1.0), past_in })
}

fn column(asked: &Asked, points: &[TallyPoint], begun: usize, wanted: usize, voice: Voice) -> Column {
    let within_limits = points.iter().filter(|p| asked.limits.is_none_or(|l| within(p.mm, l))).count();
    let drift = drift(points, asked.limits, wanted);
    let tool_of = if let SizeKind::Tool(slot) = asked.of { Some(slot) } else { None };
    Column {
        name: asked.name.clone(),
        limits_mm: asked.limits.map(|l| l.map(|v| Quantity::length(voice, v))),
        read: points.len(),
        within: within_limits,
        of_tool: tool_of.is_some(),
        tool_of,
        says: drift_says(asked, drift.as_ref(), points.len(), voice),
        chart: chart(asked, points, drift.as_ref(), begun.max(wanted), voice),
        drift,
    }
}

/// What a drift asks for.
fn drift_says(asked: &Asked, drift: Option<&Drift>, read: usize, voice: Voice) -> String {
    let Some(d) = drift else {
        return if read == 0 { say!(voice, "drift-not-read") } else { say!(voice, "drift-three-parts") };
    };
    if !d.real {
        return say!(voice, "drift-none", each = signed(d.each_mm, voice), doubt = voice.length(d.doubt_mm));
    }
    if matches!(asked.of, SizeKind::Tool(_)) {
        return if d.each_mm > 0.0 {
            say!(voice, "drift-tip-wears", each = voice.length(d.each_mm))
        } else {
            say!(voice, "drift-tip-narrower", each = voice.length(-d.each_mm))
        };
    }
    let [low, high] = asked.limits.unwrap_or([d.next_mm; 2]);
    let off = d.next_mm - f64::midpoint(low, high);
    say!(
        voice,
        "drift-gets",
        each = voice.length(d.each_mm.abs()),
        way = if d.each_mm > 0.0 { "larger" } else { "smaller" },
        past = d.past_in.unwrap_or(0),
        off = voice.length(off.abs()),
        set = if off > 0.0 { "smaller" } else { "larger" }
    )
}

fn signed(mm: f64, voice: Voice) -> String {
    format!("{}{}", if mm < 0.0 { "\u{2212}" } else { "+" }, voice.length(mm.abs()))
}

/// The field of a chart, as drawn.
const WIDE: f64 = 320.0;
const HIGH: f64 = 110.0;

/// Readings in their order against the limits, with the line they drift along where that is real.
#[allow(clippy::cast_precision_loss)] // parts of a batch
fn chart(asked: &Asked, points: &[TallyPoint], drift: Option<&Drift>, parts: usize, voice: Voice) -> Option<Drawing> {
    let (first, last) = (points.first()?, points.last()?);
    let known = points.iter().map(|p| p.mm).chain(asked.limits.into_iter().flatten());
    let (low, high) = known.fold((f64::INFINITY, f64::NEG_INFINITY), |(a, b), v| (a.min(v), b.max(v)));
    let room = (high - low).max(0.01);
    let (bottom, top) = (low - 0.2 * room, high + 0.2 * room);
    let at = |n: f64, mm: f64| -> Point { [WIDE * (n + 1.0) / (parts as f64 + 1.0), HIGH * (mm - bottom) / (top - bottom)] };
    let level = |mm: f64| -> Vec<Point> { vec![[0.0, at(0.0, mm)[1]], [WIDE, at(0.0, mm)[1]]] };
    let mut shapes = Vec::new();
    let mut dimensions = Vec::new();
    if let Some([low, high]) = asked.limits {
        let [a, b] = [level(low), level(high)];
        shapes.push(Shape::closed("range.serves", vec![a[0], a[1], b[1], b[0]]));
        shapes.extend([a, b].map(|l| Shape::open("chart.limit", l)));
        for (name, says, mm) in [("low", say!(voice, "dim-low-limit"), low), ("high", say!(voice, "dim-high-limit"), high)] {
            let y = at(0.0, mm)[1];
            dimensions.push(Dimension::at(name, says, Quantity::given(voice, (mm * 1e4).round() / 1e4), [WIDE + 4.0, y]));
        }
    }
    shapes.push(Shape::open("chart.axis", vec![[0.0, HIGH], [0.0, 0.0], [WIDE, 0.0]]));
    shapes.push(Shape::open("chart.line", points.iter().map(|p| at(p.n as f64, p.mm)).collect()));
    if let Some(d) = drift.filter(|d| d.real) {
        let end = last.n as f64 + 1.0;
        let back = end - first.n as f64;
        shapes.push(Shape::open("chart.drift", vec![at(first.n as f64, d.next_mm - d.each_mm * back), at(end, d.next_mm)]));
    }
    for p in points {
        let at = at(p.n as f64, p.mm);
        if p.scrapped {
            shapes.extend(
                [[1.0, 1.0], [1.0, -1.0]]
                    .map(|[a, b]| Shape::open("chart.scrapped", vec![[at[0] - 5.0 * a, at[1] - 5.0 * b], [at[0] + 5.0 * a, at[1] + 5.0 * b]])),
            );
        } else {
            shapes.push(Shape::circle("chart.read", at, 4.0));
        }
    }
    let each = points.iter().map(|p| say!(voice, "tally-part", n = p.place, size = voice.length(p.mm), scrapped = if p.scrapped { "yes" } else { "no" }));
    let each = each.collect::<Vec<_>>().join("; ");
    Some(Drawing::chart(voice, say!(voice, "tally-drawn", name = &asked.name, each = each), [-14.0, -14.0, WIDE + 14.0, HIGH + 16.0], shapes, dimensions))
}

/// The tally as a sheet: a line a part, its columns named in the first.
#[must_use]
pub fn tally_csv(tally: &Tally) -> String {
    let mut head: Vec<String> = ["part", "job", "differs", "stands", "scrapped"].map(str::to_owned).into();
    for c in &tally.columns {
        head.extend([format!("{} mm", c.name), format!("{} in limits", c.name)]);
    }
    let mut rows = vec![head];
    for row in &tally.rows {
        let mut line = vec![row.place.to_string(), row.job.clone(), row.says.clone(), row.stands.clone(), row.scrapped.clone().unwrap_or_default()];
        for cell in &row.cells {
            line.push(cell.read.as_ref().map_or_else(String::new, |q| plain_text(q.value, 4)));
            line.push(match cell.stands {
                SizeState::In => "yes".into(),
                SizeState::Out => "no".into(),
                SizeState::NotRead | SizeState::Free => String::new(),
            });
        }
        rows.push(line);
    }
    csv_out::sheet(&rows)
}
