//! The part drawn whole: every diameter and length it has, told job by job, with its limits as a drawing sheet has them.

mod drawing;
mod limits;

use crate::outline::Drawing;
use crate::paper::CardSection;
use crate::route::{self, Along, Member, Operation, Route, Span, StretchKind, along};
use crate::say;
use crate::voice::Voice;
use serde::Serialize;

/// A stretch of a piece, as a word of its sentence.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Stretch {
    /// Stable name; the drawing's own, too.
    pub key: String,
    /// What it is.
    pub stands: StretchKind,
    /// As it is said.
    pub says: String,
    /// The job it is told by; none where nothing was told.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub job: Option<String>,
    /// Which of that job's plain sizes it is.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub plain: Option<usize>,
    /// From the first face to where it begins.
    pub from_mm: f64,
    /// How long it is; where that is not known, how long it is drawn.
    pub long_mm: f64,
    /// Whether that is known.
    pub known: bool,
    /// Whether it stands inside.
    #[serde(skip_serializing_if = "std::ops::Not::not")]
    pub inside: bool,
}

/// A piece of the part on its sheet.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct PieceSheet {
    /// Its first job.
    pub piece: String,
    /// What it is called.
    pub says: String,
    /// What stands along it, from its first face; inside after outside.
    pub stretches: Vec<Stretch>,
    /// Plain sizes that have no place yet.
    pub unplaced: Vec<Stretch>,
    /// It, drawn.
    pub drawing: Drawing,
    /// Every size with its limits.
    pub limits: Vec<CardSection>,
    /// What contradicts itself.
    pub at_odds: Vec<String>,
    /// Its length, in words: told, made up, or not known.
    pub length: String,
}

/// A part drawn whole.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct PartSheet {
    /// Its pieces.
    pub pieces: Vec<PieceSheet>,
}

/// Draws a part; its route tells what else is done to it, `whole` that no long stretch is broken off.
#[must_use]
pub fn sheet(kept: &Route, members: &[Member<'_>], whole: bool, voice: Voice) -> PartSheet {
    let firsts = members.iter().filter(|m| route::piece(m, members).next().is_some_and(|first| first.job == m.job));
    PartSheet { pieces: firsts.map(|m| piece(kept, m, members, whole, voice)).collect() }
}

fn piece(kept: &Route, first: &Member<'_>, members: &[Member<'_>], whole: bool, voice: Voice) -> PieceSheet {
    let lies = along(first, members, voice);
    let own: Vec<Member<'_>> = route::piece(first, members).copied().collect();
    let of_piece = |op: &&Operation| own.iter().any(|m| op.job.as_deref() == Some(m.job));
    let ops: Vec<&Operation> = kept.ops().map(|(_, op)| op).filter(of_piece).collect();
    let outside = lies.outside.iter().map(|s| stretch(s, &own, (false, lies.known), voice));
    let stretches: Vec<Stretch> = outside.chain(lies.inside.iter().map(|s| stretch(s, &own, (true, lies.known), voice))).collect();
    let said = stretches.iter().map(|s| s.says.as_str()).collect::<Vec<_>>().join(", ");
    let drawn = drawing::Drawn { along: &lies, members: &own, ops: &ops, says: say!(voice, "part-drawn", says = said), whole };
    PieceSheet {
        piece: first.job.to_owned(),
        says: route::piece_says(first, members, voice),
        unplaced: lies.unplaced.iter().filter_map(|(job, i)| unplaced(&own, job, *i, voice)).collect(),
        drawing: drawing::piece(&drawn, voice),
        limits: limits::of_piece(&lies, &own, &ops, voice),
        at_odds: lies.at_odds.clone(),
        length: length(&lies, voice),
        stretches,
    }
}

fn length(lies: &Along, voice: Voice) -> String {
    if lies.known { say!(voice, "part-length", mm = voice.along(lies.length)) } else { say!(voice, "part-length-untold") }
}

fn stretch(span: &Span, members: &[Member<'_>], (inside, known): (bool, bool), voice: Voice) -> Stretch {
    let long = voice.along(span.to - span.from);
    let member = members.iter().find(|m| m.job == span.job);
    let size = span.plain.and_then(|i| member?.facts.blank.plain.get(i)).map_or(span.mm, |p| p.nominal_mm);
    let size = voice.bare(size);
    let flats = if span.flats.is_some() { "flats" } else { "round" };
    let says = match (span.stands, span.ends) {
        // How long it is drawn is a guess, and no figure.
        (StretchKind::Untold, _) if !known => say!(voice, "stretch-unknown"),
        (StretchKind::Untold, _) => say!(voice, "stretch-untold", long = long),
        (StretchKind::Thread, _) => say!(voice, "stretch-thread", name = &span.name, long = long),
        (_, true) => say!(voice, "stretch-plain", name = &span.name, size = size, flats = flats, long = long),
        (_, false) => say!(voice, "stretch-open", name = &span.name, size = size, flats = flats),
    };
    Stretch {
        key: span.key.clone(),
        stands: span.stands,
        says,
        job: (!span.job.is_empty()).then(|| span.job.clone()),
        plain: span.plain,
        from_mm: span.from,
        long_mm: span.to - span.from,
        known: span.ends && (known || span.stands != StretchKind::Untold),
        inside,
    }
}

fn unplaced(members: &[Member<'_>], job: &str, i: usize, voice: Voice) -> Option<Stretch> {
    let size = members.iter().find(|m| m.job == job)?.facts.blank.plain.get(i)?;
    let flats = if size.kind.over_corners() > 1.0 { "flats" } else { "round" };
    Some(Stretch {
        key: format!("{job}.{i}"),
        stands: StretchKind::Plain,
        says: say!(voice, "stretch-open", name = &size.name, size = voice.given(size.nominal_mm), flats = flats),
        job: Some(job.to_owned()),
        plain: Some(i),
        from_mm: 0.0,
        long_mm: 0.0,
        known: false,
        inside: false,
    })
}
