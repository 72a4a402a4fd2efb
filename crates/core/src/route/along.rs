//! Where everything of a piece stands along it: its threads, shoulders and plain sizes, from the face of its first end.

use super::Member;
use crate::job::{PlainFacts, PlainKind};
use crate::say;
use crate::thread::Side;
use crate::voice::Voice;
use serde::Serialize;

/// What stands along a piece.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum StretchKind {
    /// A thread, with the relief it ends in.
    Thread,
    /// A shoulder whose diameter alone was told.
    Shoulder,
    /// A plain size.
    Plain,
    /// Nothing was told of it.
    Untold,
}

/// A stretch of a piece.
#[derive(Debug, Clone, PartialEq)]
pub struct Span {
    /// Stable name.
    pub key: String,
    /// What it is.
    pub stands: StretchKind,
    /// What it is called.
    pub name: String,
    /// The job that told it.
    pub job: String,
    /// Which of that job's plain sizes.
    pub plain: Option<usize>,
    /// Flats it has, where it is not round.
    pub flats: Option<PlainKind>,
    /// From the first face, mm.
    pub from: f64,
    /// To there, mm.
    pub to: f64,
    /// Diameter, over corners where it has flats, mm.
    pub mm: f64,
    /// Whether where it ends is known.
    pub ends: bool,
    /// Whether it was told from the face of the second end, and so lies mirrored.
    pub far: bool,
}

/// A piece as it lies along its axis.
#[derive(Debug, Clone, Default, PartialEq)]
pub struct Along {
    /// What stands outside, in order, with what was not told between.
    pub outside: Vec<Span>,
    /// What stands inside, in order.
    pub inside: Vec<Span>,
    /// From face to face, mm.
    pub length: f64,
    /// What that length is made up of, each with its name, mm: the one size that tells it, else what stands along it.
    pub made_up: Vec<(f64, String)>,
    /// Whether that length is known: told, or made up of what was told.
    pub known: bool,
    /// Plain sizes with no place yet: their job, and which.
    pub unplaced: Vec<(String, usize)>,
    /// What contradicts itself, said.
    pub at_odds: Vec<String>,
}

/// Lengths nearer than this are one, mm.
pub(crate) const SAME_MM: f64 = 0.05;
/// What is not told is drawn so long, by its diameter; the bottom of a blind bore so thick.
const LIKELY: f64 = 0.6;
const LIKELY_FLOOR: f64 = 0.25;

/// The other members on the same piece, this one among them.
pub(crate) fn piece<'a>(member: &'a Member<'a>, members: &'a [Member<'a>]) -> impl Iterator<Item = &'a Member<'a>> {
    members.iter().filter(move |m| m.job == member.job || !m.apart && !member.apart)
}

/// One end of a piece: what stands from its face on, outside and inside.
#[derive(Default)]
struct End {
    outside: Vec<Span>,
    inside: Vec<Span>,
    /// Where the next stands that was not told where.
    next: [f64; 2],
    /// Where a blind bore ends: metal stands behind it, how much was not told.
    blind: f64,
}

impl End {
    /// How far what stands from this face reaches, mm.
    fn reaches(&self) -> f64 {
        self.outside.iter().chain(&self.inside).map(|s| s.to).fold(0.0, f64::max)
    }

    /// Whether where all of it ends is known.
    fn ends(&self) -> bool {
        let last = |list: &[Span]| list.iter().max_by(|a, b| a.to.total_cmp(&b.to)).is_none_or(|s| s.ends);
        let told = self.outside.iter().filter(|s| s.ends).map(|s| s.to).fold(0.0, f64::max);
        last(&self.outside) && last(&self.inside) && (self.blind <= 0.0 || told > self.blind + SAME_MM)
    }

    /// Where the bottom of a blind bore likely ends.
    fn floor(&self) -> f64 {
        if self.blind > 0.0 { self.blind + LIKELY_FLOOR * self.inside.iter().map(|s| s.mm).fold(0.0, f64::max) } else { 0.0 }
    }

    /// What makes up the longer of its sides, with what stands before and between and was not told.
    fn made_up(&self, voice: Voice) -> Vec<(f64, String)> {
        let reach = |list: &[Span]| list.iter().filter(|s| s.ends).map(|s| s.to).fold(0.0, f64::max);
        let mut list: Vec<&Span> = if reach(&self.inside) > reach(&self.outside) { &self.inside } else { &self.outside }.iter().collect();
        list.sort_by(|a, b| a.from.total_cmp(&b.from));
        let (mut at, mut parts) = (0.0, Vec::new());
        for span in list.into_iter().filter(|s| s.ends) {
            if span.from > at + SAME_MM {
                parts.push((span.from - at, say!(voice, "part-untold")));
            }
            if span.to > at + SAME_MM {
                parts.push((span.to - span.from.max(at), span.name.clone()));
                at = span.to;
            }
        }
        parts
    }

    fn stand(&mut self, span: Span, inside: bool) {
        let next = &mut self.next[usize::from(inside)];
        *next = next.max(span.to);
        if inside { self.inside.push(span) } else { self.outside.push(span) }
    }

    /// A member's thread, the shoulder behind it and its plain sizes.
    fn take(&mut self, member: &Member<'_>, unplaced: &mut Vec<(String, usize)>, voice: Voice) {
        let (thread, blank) = (&member.plan.thread, &member.facts.blank);
        let inside = thread.side == Side::Internal;
        let span = |key: String, stands, name: String, from: f64, to: f64, mm: f64| Span {
            key,
            stands,
            name,
            job: member.job.to_owned(),
            plain: None,
            flats: None,
            from,
            to,
            mm,
            ends: true,
            far: false,
        };
        let from = blank.from_end_mm.unwrap_or(self.next[usize::from(inside)]);
        let to = from + thread.length_mm.value;
        let mm = if inside { thread.major_mm.value } else { member.blank_mm().max(member.plan.blank.max_mm.value) };
        self.stand(span(member.job.to_owned(), StretchKind::Thread, thread.name.clone(), from, to, mm), inside);
        for (i, size) in blank.plain.iter().enumerate().filter(|(_, p)| p.kind.has_a_place()) {
            // One that begins before the thread and tells no length goes up to it.
            let long = size.long_mm.or_else(|| size.at_mm.filter(|at| *at < from).map(|at| from - at));
            if long.is_none() && size.at_mm.is_none() {
                unplaced.push((member.job.to_owned(), i));
                continue;
            }
            let bored = size.kind == PlainKind::Bore;
            let at = size.at_mm.unwrap_or(self.next[usize::from(bored)]);
            let end = at + long.unwrap_or(LIKELY * size.max_mm);
            let flats = Some(size.kind).filter(|k| matches!(k, PlainKind::Hexagon | PlainKind::Square));
            let one = span(format!("{}.{i}", member.job), StretchKind::Plain, size.name.clone(), at, end, size.max_mm * size.kind.over_corners());
            self.stand(Span { plain: Some(i), flats, ends: long.is_some(), ..one }, bored);
        }
        // A bore that goes on behind its thread is not its bottom.
        if inside && blank.shoulder && self.next[1] <= to {
            self.blind = to;
        }
        // A shoulder of which no plain size tells the length.
        let behind = self.outside.iter().any(|s| (s.from - to).abs() < SAME_MM);
        if let Some(mm) = blank.shoulder_mm.filter(|_| blank.shoulder && !inside && !behind) {
            let next = self.outside.iter().map(|s| s.from).filter(|f| *f > to).fold(f64::INFINITY, f64::min);
            let ends = next.is_finite();
            let end = if ends { next } else { to + LIKELY * mm };
            let one = span(format!("{}.shoulder", member.job), StretchKind::Shoulder, say!(voice, "stock-shoulder"), to, end, mm);
            self.stand(Span { ends, ..one }, false);
        }
    }
}

/// What makes up a piece's length: the greatest told that holds all that stands on it and the others told, else its stretches.
fn lengths(members: &[&Member<'_>], [near, far]: [&End; 2], voice: Voice) -> (Option<f64>, Vec<(f64, String)>) {
    let reaches = near.reaches() + far.reaches();
    let told: Vec<&PlainFacts> = members.iter().flat_map(|m| &m.facts.blank.plain).filter(|p| p.kind == PlainKind::Length).collect();
    let said = |p: &PlainFacts| (p.max_mm, p.name.clone());
    // Where plain sizes have their places, a length is not counted beside them.
    let placed = [near, far].into_iter().flat_map(|e| e.outside.iter().chain(&e.inside)).any(|s| s.plain.is_some());
    let beside: f64 = told.iter().map(|p| p.max_mm).sum();
    let holds = |p: &PlainFacts| p.max_mm >= reaches + if placed { 0.0 } else { beside - p.max_mm } - SAME_MM;
    if let Some(whole) = told.iter().filter(|p| holds(p)).max_by(|a, b| a.max_mm.total_cmp(&b.max_mm)) {
        return (Some(whole.nominal_mm), vec![said(whole)]);
    }
    let mut parts = near.made_up(voice);
    parts.extend(far.made_up(voice));
    parts.extend(told.into_iter().filter(|_| !placed).map(said));
    if !(near.ends() && far.ends()) {
        parts.push((0.0, say!(voice, "part-more-untold")));
    }
    (None, parts)
}

/// Lays the piece a member is on along its axis.
#[must_use]
pub fn along(member: &Member<'_>, members: &[Member<'_>], voice: Voice) -> Along {
    let all: Vec<&Member<'_>> = piece(member, members).collect();
    let mut out = Along::default();
    let [mut near, mut far] = [End::default(), End::default()];
    for (i, one) in all.iter().enumerate() {
        // What must run true to the first is on its end; the rest on the other.
        let end = if i == 0 || one.facts.blank.runs_true { &mut near } else { &mut far };
        end.take(one, &mut out.unplaced, voice);
    }
    let (whole, made_up) = lengths(&all, [&near, &far], voice);
    out.length = whole.unwrap_or_else(|| [&near, &far].map(|e| e.reaches().max(e.floor())).iter().sum());
    out.known = whole.is_some() || near.ends() && far.ends();
    out.made_up = made_up;
    let turned = |s: Span| Span { from: out.length - s.to, to: out.length - s.from, far: true, ..s };
    out.outside = near.outside.into_iter().chain(far.outside.into_iter().map(turned)).collect();
    out.inside = near.inside.into_iter().chain(far.inside.into_iter().map(turned)).collect();
    for list in [&mut out.outside, &mut out.inside] {
        list.sort_by(|a, b| a.from.total_cmp(&b.from));
    }
    out.at_odds = overlaps(&out.outside, voice).into_iter().chain(overlaps(&out.inside, voice)).collect();
    let untold: Vec<String> = all.iter().filter_map(|m| shoulder_untold(m, &out, voice)).collect();
    out.at_odds.extend(untold);
    fill(&mut out, &all, voice);
    out
}

/// Stretches told over one another.
fn overlaps(list: &[Span], voice: Voice) -> Vec<String> {
    let pairs = list.iter().enumerate().flat_map(|(i, a)| list[i + 1..].iter().map(move |b| (a, b)));
    pairs
        .filter_map(|(a, b)| {
            let (from, to) = (a.from.max(b.from), a.to.min(b.to));
            (to - from > SAME_MM && a.ends && b.ends).then(|| say!(voice, "part-overlap", a = &a.name, b = &b.name, stretch = voice.from_to(from, to)))
        })
        .collect()
}

/// A thread whose job says it runs out into the open, with something thicker standing right behind it.
fn shoulder_untold(member: &Member<'_>, along: &Along, voice: Voice) -> Option<String> {
    if member.facts.blank.shoulder || member.plan.thread.side == Side::Internal {
        return None;
    }
    let thread = along.outside.iter().find(|s| s.key == member.job)?;
    let stands_behind = |s: &Span| if thread.far { s.to - thread.from } else { s.from - thread.to };
    let behind = along.outside.iter().find(|s| s.key != thread.key && stands_behind(s).abs() < SAME_MM)?;
    (behind.stands == StretchKind::Plain && behind.mm > thread.mm + SAME_MM)
        .then(|| say!(voice, "part-shoulder-untold", thread = &thread.name, behind = &behind.name, mm = voice.length(behind.mm)))
}

/// Fills the outside from face to face: round a bore with what the outside was told, between others with the thicker of them.
fn fill(out: &mut Along, members: &[&Member<'_>], voice: Voice) {
    let outside = members.iter().find_map(|m| Some((m.job, m.facts.blank.outside_mm?)));
    let bored = out.inside.iter().map(|s| s.mm).fold(0.0, f64::max);
    let mut full: Vec<Span> = Vec::new();
    let mut at = 0.0;
    let spans = std::mem::take(&mut out.outside);
    let neighbours = |from: f64| {
        let [before, after] = [spans.iter().rev().find(|s| s.to <= from + SAME_MM), spans.iter().find(|s| s.from >= from - SAME_MM)];
        before.into_iter().chain(after).map(|s| s.mm).fold(0.0, f64::max)
    };
    let gap = |from: f64, to: f64| {
        let (job, mm, stands) = match outside {
            Some((job, mm)) => (job.to_owned(), mm, StretchKind::Plain),
            None => (String::new(), neighbours(from).max(bored * 1.5), StretchKind::Untold),
        };
        let name = if stands == StretchKind::Plain { say!(voice, "stock-outside") } else { say!(voice, "part-untold") };
        Span { key: format!("between.{}", from.round()), stands, name, job, plain: None, flats: None, from, to, mm, ends: true, far: false }
    };
    for span in &spans {
        if span.from > at + SAME_MM {
            full.push(gap(at, span.from));
        }
        at = at.max(span.to);
        full.push(span.clone());
    }
    if out.length > at + SAME_MM {
        full.push(gap(at, out.length));
    }
    out.outside = full;
}
