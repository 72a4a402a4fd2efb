//! What of the drawer serves this blank, by name; and what is to be borrowed, made or bought where none does.

use crate::bit::Blade;
use crate::job::{BlankFacts, Holding, ReadBy, Support};
use crate::kit::{HolderKind, Kit, OwnedIndicator};
use crate::making::Maker;
use crate::say;
use crate::thread::Side;
use crate::thread::form::Thread;
use crate::voice::Voice;
use serde::Serialize;

/// Something the blank wants, and whether it is there.
#[derive(Debug, Clone, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct AtHand {
    /// What is wanted: `dog`, `centre`, `steady`, `collet`, `arbor`, `groover`, `reamer`, `chaser`, `indicator`.
    pub what: &'static str,
    /// Whether the drawer has one that serves.
    pub here: bool,
    /// Which one, or what is to be got.
    pub says: String,
}

/// What the drawer is asked for.
pub(crate) struct AtHandQuery<'a> {
    pub kit: &'a Kit,
    pub facts: &'a BlankFacts,
    pub thread: &'a Thread,
    pub held: Holding,
    /// Diameter of the blank, mm.
    pub used: f64,
    /// Its limits, mm.
    pub limits: [f64; 2],
    /// What bears at its far end, or is asked for.
    pub support: Support,
    /// What it has for the groove to be turned, if there is one.
    pub blade: Option<&'a Blade>,
    pub read_by: ReadBy,
    /// Travel of the plunger that would read the whole depth, mm.
    pub depth: f64,
}

impl HolderKind {
    const fn word(self) -> &'static str {
        match self {
            Self::Dog => "dog",
            Self::DeadCentre => "dead",
            Self::HalfCentre => "half",
            Self::LiveCentre => "live",
            Self::FixedSteady => "fixed",
            Self::TravellingSteady => "travelling",
            Self::Collet => "collet",
            Self::Arbor => "arbor",
        }
    }
}

/// One of several kinds for work of this diameter, or that none is here.
fn holder(what: &'static str, kinds: &[HolderKind], ask: &AtHandQuery<'_>, voice: Voice) -> AtHand {
    let found = kinds.iter().find_map(|kind| ask.kit.holder(*kind, ask.used));
    let size = voice.about(ask.used);
    let says = match found {
        Some(one) => match (one.from_mm, one.to_mm) {
            (Some(from), Some(to)) if to - from > 1e-6 => say!(voice, "hand-holder-span", kind = one.kind.word(), span = voice.from_to(from, to)),
            (_, Some(to)) => say!(voice, "hand-holder-size", kind = one.kind.word(), size = voice.given(to)),
            _ => say!(voice, "hand-holder", kind = one.kind.word()),
        },
        None => say!(voice, "hand-no-holder", what = what, size = size),
    };
    AtHand { what, here: found.is_some(), says }
}

/// An indicator that reads so far, the finest first.
fn indicator(kit: &Kit, plunger: bool, travel: f64) -> Option<&OwnedIndicator> {
    let fit = |i: &&OwnedIndicator| !(i.lent || plunger && i.lever) && i.range_mm >= travel;
    kit.indicators.iter().filter(fit).min_by(|a, b| a.graduation_mm.total_cmp(&b.graduation_mm))
}

/// Whole swing an indicator must follow when work is clocked, mm. House value: what a first swing in a four-jaw may be.
const SWING_MM: f64 = 0.5;

/// Everything the blank wants of the drawer, in working order.
pub(crate) fn reckon(ask: &AtHandQuery<'_>, voice: Voice) -> Vec<AtHand> {
    let AtHandQuery { kit, facts, thread, held, limits: [low, high], .. } = *ask;
    let mut list = Vec::new();
    let centred = matches!(held, Holding::Centres | Holding::Arbor);
    if held == Holding::Centres {
        list.push(holder("dog", &[HolderKind::Dog], ask, voice));
    }
    if held == Holding::Arbor {
        list.push(arbor(kit, voice));
    }
    if held == Holding::Collet {
        list.push(holder("collet", &[HolderKind::Collet], ask, voice));
    }
    if centred || ask.support == Support::Centre {
        // Its end is drilled for it whatever its diameter.
        list.push(holder("centre", &[HolderKind::LiveCentre, HolderKind::DeadCentre, HolderKind::HalfCentre], ask, voice));
    }
    if ask.support == Support::Steady {
        list.push(holder("steady", &[HolderKind::TravellingSteady, HolderKind::FixedSteady], ask, voice));
    }
    if facts.runs_true || matches!(held, Holding::FourJaw | Holding::Faceplate) {
        list.push(clock(indicator(kit, false, SWING_MM), SWING_MM, voice));
    }
    if ask.read_by == ReadBy::Indicator {
        list.push(clock(indicator(kit, true, ask.depth), ask.depth, voice));
    }
    if thread.spec.side == Side::Internal
        && let Some(reamer) = kit.reamers.iter().find(|r| !r.lent && r.from_mm <= high + 1e-6 && r.to_mm >= low - 1e-6)
    {
        let to = reamer.to_mm.min(high).max(low.min(reamer.to_mm));
        list.push(AtHand { what: "reamer", here: true, says: say!(voice, "hand-reamer", size = voice.given(to)) });
    }
    list.extend(ask.blade.map(|blade| AtHand { what: "groover", here: blade.name.is_some(), says: blade.says.clone() }));
    if facts.die_finish || facts.maker != Maker::SinglePoint {
        let found = kit.chasers.iter().find(|c| c.cuts(&thread.spec));
        let (side, thread) = (if thread.spec.side == Side::External { "die" } else { "tap" }, &thread.spec.size);
        let says = match found {
            Some(one) => say!(voice, "hand-chaser", what = side, thread = &one.thread, worn = if one.worn { "yes" } else { "no" }),
            None => say!(voice, "hand-no-chaser", what = side, thread = thread),
        };
        list.push(AtHand { what: "chaser", here: found.is_some(), says });
    }
    list
}

fn arbor(kit: &Kit, voice: Voice) -> AtHand {
    let here = kit.holders.iter().any(|h| h.kind == HolderKind::Arbor && !h.lent);
    AtHand { what: "arbor", here, says: if here { say!(voice, "hand-arbor") } else { say!(voice, "hand-no-arbor") } }
}

fn clock(found: Option<&OwnedIndicator>, travel: f64, voice: Voice) -> AtHand {
    let says = match found {
        Some(one) => say!(voice, "hand-indicator", name = &one.name, division = voice.given(one.graduation_mm)),
        None => say!(voice, "hand-no-indicator", travel = voice.about(travel)),
    };
    AtHand { what: "indicator", here: found.is_some(), says }
}
