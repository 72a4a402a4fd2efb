//! Paper: what is printed of a job, as lines of words and numbers. Made of the same cards as its route.

use crate::cut::PassKind;
use crate::making::Maker;
use crate::quantity::degrees_text;
use crate::route::{CardLine, Member, OpKind, bench, by_chaser, number, over_wires, thread_card, turn_to, turned};
use crate::say;
use crate::watch::Level;
use crate::working::Quantity;
use serde::Serialize;

/// Lines of a card under one heading.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct CardSection {
    /// Its heading.
    pub name: String,
    /// Its lines.
    pub lines: Vec<CardLine>,
}

/// A pass as it is set, on paper.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct PassLine {
    /// Its number; the scratch is 0.
    pub n: u32,
    /// What it is for.
    pub kind: PassKind,
    /// Turns and divisions, a slide each.
    pub set: String,
    /// The same as one reading.
    pub reading: String,
    /// Over the wires, where they bear.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub over_wires: Option<Quantity>,
}

/// What is printed of a job.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Papers {
    /// The thread, in full.
    pub thread: String,
    /// Its lathe.
    pub lathe: String,
    /// The ten-second card.
    pub ten_seconds: Vec<CardLine>,
    /// The pocket card: of the ten-second card what is set again from pass to pass, and not what is set once.
    pub pocket: Vec<CardLine>,
    /// The job card, in the order of the work.
    pub job_card: Vec<CardSection>,
    /// Every pass.
    pub passes: Vec<PassLine>,
    /// What is done after the last of them, where the size must be measured before any goes deeper.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub measure: Option<String>,
    /// What to watch, dangers and warnings first.
    pub watch: Vec<String>,
}

/// Makes what is printed of a job.
#[must_use]
pub fn papers(member: &Member<'_>) -> Papers {
    let (plan, voice) = (member.plan, member.plan.voice);
    let blank = if plan.blank.bore.is_some() { OpKind::Bore } else { OpKind::Turn };
    // A page is for the thread: the cuts that rough its blank stand on the route's cards.
    let of = |kind| {
        if kind == blank { turn_to(member).into_iter().chain(turned(member)).collect() } else { bench(member, std::slice::from_ref(member), kind, plan.voice) }
    };
    let made = plan.chaser.as_ref().map(|c| if c.by == Maker::Tap { ("op-tap", OpKind::Tap) } else { ("op-die", OpKind::Die) });
    let mut first: Vec<CardLine> = of(blank).into_iter().take(1).collect();
    first.extend(plan.blank.bore.iter().filter_map(|b| b.drill_mm.as_ref()).map(|d| number(say!(voice, "line-of-drill"), d)));
    let with = |mut lines: Vec<CardLine>, last: Vec<CardLine>| {
        lines.extend(last);
        lines.extend(over_wires(member));
        lines
    };
    let (pocket, ten_seconds) = match thread_card(member) {
        Some(t) => {
            first.extend(t.gears.into_iter().chain([t.half_nut]));
            let depth: Vec<CardLine> = t.depth.into_iter().chain(t.measure).collect();
            let pocket = with(first.clone(), depth.iter().cloned().chain([t.speed.clone()]).collect());
            (pocket, with(first, t.compound.into_iter().chain(depth).chain([t.bit, t.speed]).collect()))
        }
        None => {
            let bevel = plan.chaser.iter().flat_map(|c| &c.bevels).find(|b| b.proposed);
            let bevel = bevel.map(|b| number(say!(voice, "line-of-bevel-at", deg = degrees_text(b.deg)), &b.long_mm));
            let lines: Vec<CardLine> = bevel.into_iter().chain(by_chaser(member).into_iter().filter(|l| l.figure.is_some())).collect();
            (with(first.clone(), lines.clone()), with(first, lines))
        }
    };
    let sections = [
        ("op-drill", OpKind::Drill),
        (if blank == OpKind::Bore { "op-bore" } else { "line-blank" }, blank),
        ("op-plain", OpKind::Plain),
        ("paper-relief", OpKind::Relief),
        ("line-chamfer", OpKind::Chamfer),
        made.unwrap_or(("op-thread", OpKind::Thread)),
        ("paper-proof", OpKind::Prove),
    ];
    let job_card = sections.map(|(name, kind)| CardSection { name: say!(voice, name), lines: of(kind) });
    Papers {
        thread: plan.thread.name.clone(),
        lathe: plan.pointed().map_or_else(|| member.lathe.name.clone(), |p| p.gears.lathe.clone()),
        ten_seconds,
        pocket,
        job_card: job_card.into_iter().filter(|s| !s.lines.is_empty()).collect(),
        passes: plan
            .pointed()
            .map_or(&[][..], |p| &p.cut.passes)
            .iter()
            .map(|p| PassLine {
                n: p.n,
                kind: p.kind,
                set: p.dial.iter().map(|d| d.text.clone()).collect::<Vec<_>>().join("; "),
                reading: p.dial.first().map_or_else(String::new, |d| d.reading.clone()),
                over_wires: p.over_wires_mm.clone().map(|q| Quantity { w: None, ..q }),
            })
            .collect(),
        measure: plan.pointed().and_then(|p| p.cut.stop_says.clone()),
        watch: plan.watch.iter().filter(|w| w.level != Level::Note).map(|w| w.text.clone()).collect(),
    }
}
