//! The limits of a drawing sheet: of every thread, of what it runs out into, of every plain size.

use crate::job::PlainKind;
use crate::paper::CardSection;
use crate::route::{Along, CardLine, Member, OpKind, Operation, StretchKind, card_of, number, op_name, words};
use crate::say;
use crate::thread::Side;
use crate::thread::section::Range;
use crate::voice::Voice;
use crate::working::Quantity;

/// From one limit to the other, or the one there is.
fn between(limits: &Range, voice: Voice) -> Option<String> {
    match (&limits.min, &limits.max) {
        (Some(low), Some(high)) => Some(voice.between(low.value, high.value)),
        (Some(low), None) => Some(say!(voice, "part-not-under", mm = &low.text)),
        (None, Some(high)) => Some(say!(voice, "part-not-over", mm = &high.text)),
        (None, None) => None,
    }
}

/// A thread's.
fn thread(member: &Member<'_>, voice: Voice) -> CardSection {
    let (of, blank) = (&member.plan.thread, &member.plan.blank);
    let own = if of.side == Side::External { &of.external } else { &of.internal };
    let [major, minor] = if of.side == Side::External { ["part-major", "part-minor"] } else { ["part-major-inside", "part-minor-inside"] };
    let sizes = [(major, &own.major_mm), ("part-pitch", &own.pitch_mm), (minor, &own.minor_mm)];
    let mut lines: Vec<CardLine> = sizes.into_iter().filter_map(|(says, l)| Some(words(say!(voice, says), between(l, voice)?))).collect();
    lines.push(number(say!(voice, "part-threaded"), &of.length_mm));
    lines.push(number(say!(voice, "part-chamfered"), &blank.chamfer_mm));
    if let Some(relief) = &blank.relief {
        lines.push(number(say!(voice, "part-relief-wide"), &relief.width_mm));
        lines.push(number(say!(voice, "part-relief-down"), &relief.diameter_mm));
    }
    CardSection { name: of.name.clone(), lines }
}

/// Everything of a piece with its limits, in the order it stands along it.
pub(super) fn of_piece(along: &Along, members: &[Member<'_>], ops: &[&Operation], voice: Voice) -> Vec<CardSection> {
    let spans = along.outside.iter().chain(&along.inside);
    let mut out: Vec<CardSection> = Vec::new();
    for span in spans.filter(|s| s.stands == StretchKind::Thread) {
        out.extend(members.iter().find(|m| m.job == span.job).map(|m| thread(m, voice)));
    }
    let sizes = members.iter().flat_map(|m| &m.facts.blank.plain);
    let mut lines: Vec<CardLine> = sizes
        .map(|p| {
            let kind = match p.kind {
                PlainKind::Outside => "outside",
                PlainKind::Bore => "bore",
                PlainKind::Length => "length",
                PlainKind::Depth => "depth",
                PlainKind::Hexagon => "hexagon",
                PlainKind::Square => "square",
            };
            words(say!(voice, "part-size", name = &p.name, kind = kind), voice.between(p.min_mm, p.max_mm))
        })
        .collect();
    let registers = members.iter().filter_map(|m| m.plan.blank.register.as_ref());
    lines.extend(registers.map(|r| words(say!(voice, "part-register"), voice.between(r.min_mm.value, r.max_mm.value))));
    let shoulders = along.outside.iter().filter(|s| s.stands == StretchKind::Shoulder);
    lines.extend(shoulders.map(|s| number(say!(voice, "part-shoulder-across"), &Quantity::length(voice, s.mm))));
    if along.known {
        lines.push(number(say!(voice, "part-whole"), &Quantity::along(voice, along.length)));
    }
    if !lines.is_empty() {
        out.push(CardSection { name: say!(voice, "part-plain"), lines });
    }
    // What is done beside the thread, as its own card has it: its sizes alone.
    for op in ops.iter().filter(|o| !o.told.is_empty() && o.kind != OpKind::Own) {
        let Some(member) = members.iter().find(|m| op.job.as_deref() == Some(m.job)) else { continue };
        let lines: Vec<CardLine> = card_of(op, member, members, voice).into_iter().filter(|l| l.figure.is_some()).collect();
        out.push(CardSection { name: op_name(op, voice), lines });
    }
    out
}
