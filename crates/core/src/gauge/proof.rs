//! How the size will be proven, with the part as it is held: planned before the first chip, since a thread nobody can measure is
//! found out too late.

use super::GaugeSection;
use crate::blank::BlankSection;
use crate::job::{GaugeFacts, Kit, MicrometerKind, OwnedMicrometer, Proof};
use crate::making::Maker;
use crate::say;
use crate::thread::form::Thread;
use crate::thread::{MateFacts, Side};
use crate::voice::Voice;
use crate::working::Quantity;
use serde::Serialize;

/// Face of a micrometer's anvil, across, mm. House value: the common 6.35, or a quarter of an inch.
const ANVIL_MM: f64 = 6.35;

/// One way of proving the size.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ProofWay {
    /// Which.
    pub by: Proof,
    /// As it is said.
    pub says: String,
    /// Whether it can be done with the part as held; absent where what it hangs on was not told.
    pub serves: Option<bool>,
    /// How, or what stands in the way.
    pub why: String,
    /// Whether it is the one followed.
    pub chosen: bool,
}

/// Sizes of a gauge to turn first: a plug for a bore, a ring for a screw.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct GaugeToTurn {
    /// Pitch diameter of the end that must go.
    pub go_mm: Quantity,
    /// Pitch diameter of the end that must not.
    pub not_go_mm: Quantity,
    /// Crest diameter of both ends, so that only the flanks bear.
    pub crest_mm: Quantity,
    /// In words.
    pub says: String,
}

/// How the size is to be proven.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ProofView {
    /// The way followed; absent when none can be done.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub by: Option<Proof>,
    /// Every way, side by side.
    pub ways: Vec<ProofWay>,
    /// The gauge to turn first, when that is the way.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub gauge: Option<GaugeToTurn>,
    /// A micrometer of the drawer for it.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub instrument: Option<String>,
}

/// What the proof is planned from.
pub(crate) struct Inputs<'a> {
    pub facts: &'a GaugeFacts,
    pub kit: &'a Kit,
    pub thread: &'a Thread,
    pub gauge: &'a GaugeSection,
    pub blank: &'a BlankSection,
    pub shoulder: bool,
    pub maker: Maker,
    pub mate: Option<&'a MateFacts>,
    /// What stands in front of the thread's mouth, mm.
    pub reach_past: f64,
}

type ProofFinding = (Option<bool>, String);

/// Plans it.
pub(crate) fn reckon(before: &Inputs<'_>, voice: Voice) -> ProofView {
    let side = before.thread.spec.side;
    let order = match side {
        Side::External => [Proof::Wires, Proof::ThreadMicrometer, Proof::Mate, Proof::TestPiece, Proof::Plug],
        Side::Internal => [Proof::Mate, Proof::ThreadMicrometer, Proof::Plug, Proof::TestPiece, Proof::Wires],
    };
    let owned = owned(before);
    let mut ways: Vec<ProofWay> = order
        .into_iter()
        .filter(|by| !(side == Side::Internal && *by == Proof::Wires))
        .map(|by| {
            let (serves, why) = judge(by, before, owned.as_ref(), voice);
            ProofWay { by, says: says(by, side, before.maker, voice), serves, why, chosen: false }
        })
        .collect();
    // Turning a gauge or a test piece is work first: it is chosen, not fallen into.
    let work_first = |by: Proof| by == Proof::TestPiece || by == Proof::Plug && owned.is_none();
    let ready = |w: &&mut ProofWay| !work_first(w.by);
    let found = match before.facts.proof {
        Proof::Auto => {
            let sure = ways.iter().position(|w| w.serves == Some(true) && !work_first(w.by));
            sure.or_else(|| ways.iter_mut().position(|w| ready(&w) && w.serves.is_none()))
        }
        asked => ways.iter().position(|w| w.by == asked),
    };
    let by = found.and_then(|i| ways.get_mut(i)).map(|way| {
        way.chosen = true;
        way.by
    });
    let instrument = match by {
        Some(Proof::Wires) => in_range(before, MicrometerKind::Outside, over(before.gauge)),
        Some(Proof::ThreadMicrometer) => in_range(before, thread_kind(side), pitch(before.thread)),
        _ => None,
    };
    ProofView {
        by,
        gauge: (by == Some(Proof::Plug) && owned.is_none()).then(|| to_turn(before.thread, voice)),
        instrument: instrument.map(|m| m.name.clone()),
        ways,
    }
}

/// A gauge of the drawer for this thread.
struct OwnedGauge {
    /// What is marked on it.
    marked: String,
    /// Whether it, or another, shows too that the size was not passed.
    both: bool,
}

/// The gauge of the drawer that shows that this thread goes.
fn owned(before: &Inputs<'_>) -> Option<OwnedGauge> {
    let tries: Vec<_> = before.kit.gauges.iter().filter(|g| g.tries(&before.thread.spec)).collect();
    let go = tries.iter().find(|g| g.kind.shows()[0])?;
    Some(OwnedGauge { marked: go.thread.clone(), both: tries.iter().any(|g| g.kind.shows()[1]) })
}

fn says(by: Proof, side: Side, maker: Maker, voice: Voice) -> String {
    match (by, side) {
        (Proof::Wires, _) => say!(voice, "proof-by-wires"),
        (Proof::ThreadMicrometer, Side::External) => say!(voice, "proof-by-thread-micrometer"),
        (Proof::ThreadMicrometer, Side::Internal) => say!(voice, "proof-by-inside-micrometer"),
        (Proof::Mate, _) => say!(voice, "proof-by-mate"),
        (Proof::Plug, Side::External) => say!(voice, "proof-by-ring"),
        (Proof::Plug, Side::Internal) => say!(voice, "proof-by-plug"),
        (Proof::TestPiece | Proof::Auto, _) if maker != Maker::SinglePoint => say!(voice, "chased-test-piece", by = maker.word()),
        (Proof::TestPiece | Proof::Auto, _) => say!(voice, "proof-by-test-piece"),
    }
}

const fn thread_kind(side: Side) -> MicrometerKind {
    match side {
        Side::External => MicrometerKind::Thread,
        Side::Internal => MicrometerKind::InsideThread,
    }
}

/// Sizes over the wires, least and most, mm.
fn over(gauge: &GaugeSection) -> Option<[f64; 2]> {
    gauge.over_wires_mm.as_ref().map(|o| [o.min.value, o.max.value])
}

fn pitch(thread: &Thread) -> Option<[f64; 2]> {
    Some([thread.own.pitch.0.value, thread.own.pitch.1.value])
}

fn in_range<'a>(before: &Inputs<'a>, kind: MicrometerKind, sizes: Option<[f64; 2]>) -> Option<&'a OwnedMicrometer> {
    let [low, high] = sizes?;
    before.kit.micrometers.iter().find(|m| m.kind == kind && !m.lent && m.from_mm <= low && m.to_mm >= high)
}

/// Whether a micrometer of the drawer spans these sizes; not known while none are listed at all.
fn micrometer(before: &Inputs<'_>, kind: MicrometerKind, sizes: [f64; 2], voice: Voice) -> ProofFinding {
    let wanted = voice.between(sizes[0], sizes[1]);
    match in_range(before, kind, Some(sizes)) {
        Some(m) => (Some(true), say!(voice, "proof-within", wanted = &wanted, name = &m.name)),
        None if before.kit.micrometers.is_empty() => (None, say!(voice, "proof-no-micrometers", wanted = &wanted)),
        None => (Some(false), say!(voice, "proof-no-micrometer-spans", wanted = &wanted)),
    }
}

fn judge(by: Proof, before: &Inputs<'_>, owned: Option<&OwnedGauge>, voice: Voice) -> ProofFinding {
    let thread = before.thread;
    match by {
        Proof::Wires => {
            let (Some(wire), Some(sizes)) = (before.gauge.wire_mm.as_ref(), over(before.gauge)) else {
                let why = if thread.alpha_deg <= 0.0 { say!(voice, "proof-no-wires-square") } else { say!(voice, "proof-no-wire-serves") };
                return (Some(false), why);
            };
            let p = thread.pitch.value;
            let usable = before.blank.usable_mm;
            // Two wires lie a pitch apart under one anvil, the third between them.
            let needs = 2.0 * p + wire.value;
            if usable < needs {
                let any = if usable < 0.05 { "no" } else { "yes" };
                return (Some(false), say!(voice, "proof-wires-too-long", any = any, there = voice.about(usable), span = voice.least(needs)));
            }
            if p + wire.value / 2.0 > ANVIL_MM {
                return (Some(false), say!(voice, "proof-past-anvil", anvil = voice.length(ANVIL_MM)));
            }
            if before.shoulder && usable < f64::midpoint(ANVIL_MM, needs) {
                return (Some(false), say!(voice, "proof-shoulder-meets", there = voice.length(usable), need = voice.length(f64::midpoint(ANVIL_MM, needs))));
            }
            let (serves, why) = micrometer(before, MicrometerKind::Outside, sizes, voice);
            (serves, say!(voice, "proof-wires-and", wire = &wire.text, why = why))
        }
        Proof::ThreadMicrometer => match pitch(thread) {
            Some(_) if thread.alpha_deg <= 0.0 => (Some(false), say!(voice, "proof-no-cone")),
            Some(sizes) if before.kit.micrometers.iter().any(|m| !m.lent && m.kind == thread_kind(thread.spec.side)) => {
                micrometer(before, thread_kind(thread.spec.side), sizes, voice)
            }
            _ => (Some(false), say!(voice, "proof-none-in-drawer")),
        },
        Proof::Mate => mate(before, voice),
        Proof::Plug => match (owned, thread.spec.side) {
            (Some(gauge), _) => (Some(true), say!(voice, "proof-gauge-owned", marked = &gauge.marked, both = if gauge.both { "yes" } else { "no" })),
            (None, Side::External) => (Some(false), say!(voice, "proof-ring-unmeasured")),
            (None, Side::Internal) => (Some(true), say!(voice, "proof-plug-ends")),
        },
        Proof::TestPiece | Proof::Auto => (Some(true), say!(voice, "proof-same-stock")),
    }
}

/// How far a mate goes on that carries something ahead of its thread, or must go on so far; nothing where neither was told.
///
/// Its plain front goes on past the last full thread until it meets what stands there: a shoulder or the bottom of the bore where the thread
/// ends at one, else the jaws or whatever was told to stand beyond. What it lacks there is lost of the engagement.
fn goes_on(before: &Inputs<'_>, voice: Voice) -> Option<ProofFinding> {
    let (facts, blank) = (before.facts, before.blank);
    if facts.mate_ahead_mm.is_none() && facts.mate_goes_on_mm.is_none() {
        return None;
    }
    let (length, usable) = (before.thread.length, blank.usable_mm);
    let (ahead, wants) = (facts.mate_ahead_mm.unwrap_or(0.0), facts.mate_goes_on_mm.unwrap_or(usable));
    if wants > usable + HELD_OFF_MM {
        return Some((Some(false), say!(voice, "proof-mate-wants-more", wants = voice.about(wants), there = voice.about(usable))));
    }
    let ended = length - usable;
    let inside = before.thread.spec.side == Side::Internal;
    let out = blank.held().is_some_and(|h| matches!(h.holding, crate::job::Holding::Centres | crate::job::Holding::Arbor));
    let (room, meets) = match (before.shoulder, inside, &blank.beyond) {
        (true, true, _) => (Some(ended), "bottom"),
        (true, false, _) => (Some(ended), "shoulder"),
        (false, _, Some(beyond)) if !out => (beyond.gap_mm.as_ref().map(|gap| ended + gap.value), if beyond.jaws { "jaws" } else { "beyond" }),
        (false, ..) => (Some(f64::INFINITY), "nothing"),
    };
    // Nothing ahead meets nothing: its own face stops where the thread does.
    let Some(room) = room.or((ahead <= 0.0).then_some(f64::INFINITY)) else {
        return Some((None, say!(voice, "proof-mate-room-untold", ahead = voice.about(ahead))));
    };
    let engages = usable - (ahead - room).max(0.0);
    let goes = voice.about(engages.max(0.0));
    if engages + HELD_OFF_MM >= wants {
        return Some((Some(true), say!(voice, "proof-mate-goes-on", goes = goes, wants = voice.about(wants))));
    }
    let (short, ahead, room) = (voice.least(wants - engages), voice.about(ahead), voice.about(room));
    Some((Some(false), say!(voice, "proof-mate-bottoms", meets = meets, goes = goes, wants = voice.about(wants), ahead = ahead, room = room, short = short)))
}

/// Less than this of a mate's way is nothing that holds it off, mm.
const HELD_OFF_MM: f64 = 0.05;

/// Trying the mate: whether it is there, and what is in its way.
fn mate(before: &Inputs<'_>, voice: Voice) -> (Option<bool>, String) {
    let thread = before.thread;
    let made = before.mate.is_some_and(|m| m.made_mm.is_some());
    let at_hand = before.facts.mate_at_hand.or(if made { Some(true) } else { before.mate.map(|_| false) });
    let held = before.blank.held();
    let off = if held.is_some_and(|h| matches!(h.holding, crate::job::Holding::Centres | crate::job::Holding::Arbor)) {
        "comes-out"
    } else if before.blank.slenderness.as_ref().is_some_and(|s| s.support != crate::job::Support::None) {
        "draw-back"
    } else {
        "none"
    };
    if at_hand == Some(true)
        && let Some(judged) = goes_on(before, voice)
    {
        return judged;
    }
    match at_hand {
        Some(true) if thread.spec.side == Side::Internal && before.reach_past > 0.0 => {
            (Some(true), say!(voice, "proof-mate-past", past = voice.about(before.reach_past)))
        }
        Some(true) => (Some(true), say!(voice, "proof-mate-reaches", off = off)),
        Some(false) if before.mate.is_some() => (Some(false), say!(voice, "proof-mate-not-made")),
        Some(false) => (Some(false), say!(voice, "proof-mate-none")),
        None => (None, say!(voice, "proof-mate-untold")),
    }
}

fn to_turn(thread: &Thread, voice: Voice) -> GaugeToTurn {
    let (low, high) = thread.own.pitch;
    // The plug's crests stand clear of the bore's roots; only flanks bear.
    let crest = thread.major.value - 0.05 * thread.pitch.value;
    GaugeToTurn {
        go_mm: Quantity::length(voice, low),
        not_go_mm: Quantity::length(voice, high),
        crest_mm: Quantity::length(voice, crest),
        says: say!(voice, "proof-turn-plug", crests = voice.length(crest), go = voice.length(low.value), not_go = voice.length(high.value)),
    }
}
