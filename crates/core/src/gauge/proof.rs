//! How the size will be proven, with the part as it is held: planned before the first chip, since a thread nobody can measure is
//! found out too late.

use super::GaugeSection;
use crate::blank::BlankSection;
use crate::job::{BlankFacts, GaugeFacts, Holding, Kit, MicrometerKind, OwnedMicrometer, Proof, Support};
use crate::making::Maker;
use crate::quantity::ABOUT_MM;
use crate::say;
use crate::thread::form::Thread;
use crate::thread::pair::{LEAST_PLUG_MM, Provable};
use crate::thread::{MateFacts, Side, ThreadSpec};
use crate::voice::Voice;
use crate::working::{Num, Quantity};
use serde::Serialize;
use serde_json::{Value, json};

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
    /// What mends it by a change of facts.
    #[serde(skip)]
    pub(crate) mends: Option<Mends>,
}

/// A change of facts that mends a way of proving.
#[derive(Debug, Clone)]
pub(crate) struct Mends {
    /// The sentence that says it.
    pub says: &'static str,
    /// The change, as a part of a plan request.
    pub change: Value,
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
    /// The blank as told.
    pub told: &'a BlankFacts,
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
    let owned = owned(before.kit, &before.thread.spec);
    // How it goes on is asked only of one that is there.
    let reach = (at_hand(before) == Some(true)).then(|| goes_on(before, voice)).flatten();
    let mut ways: Vec<ProofWay> = order
        .into_iter()
        .filter(|by| !(side == Side::Internal && *by == Proof::Wires))
        .map(|by| {
            let (serves, why) = judge(by, before, owned.as_ref(), reach.as_ref(), voice);
            let mends = reach.as_ref().filter(|_| by == Proof::Mate).and_then(|r| r.mends.clone());
            ProofWay { by, says: says(by, side, before.maker, voice), serves, why, chosen: false, mends }
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
        Some(Proof::Wires) => in_range(before.kit, MicrometerKind::Outside, over(before.gauge)),
        Some(Proof::ThreadMicrometer) => in_range(before.kit, thread_kind(side), pitch(before.thread)),
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
fn owned(kit: &Kit, thread: &ThreadSpec) -> Option<OwnedGauge> {
    let tries: Vec<_> = kit.gauges.iter().filter(|g| g.tries(thread)).collect();
    let go = tries.iter().find(|g| g.kind.shows()[0])?;
    Some(OwnedGauge { marked: go.thread.clone(), both: tries.iter().any(|g| g.kind.shows()[1]) })
}

/// Which member of a pair the drawer proves by itself, whatever it is held in.
pub(crate) fn provable(kit: &Kit, thread: &Thread) -> Provable {
    let own = &thread.spec;
    // The mate is of its system's usual class.
    let spec = |side| {
        let class = if side == own.side { own.class } else { own.system.family().usual_class(side, thread.major.value) };
        ThreadSpec { side, class, ..own.clone() }
    };
    let gauge = |side| owned(kit, &spec(side)).is_some();
    let micrometer = |side, (low, high): (Num, Num)| in_range(kit, thread_kind(side), Some([low.value, high.value])).is_some();
    let (screw, nut) = if thread.spec.side == Side::External { (thread.own.pitch, thread.mate.pitch) } else { (thread.mate.pitch, thread.own.pitch) };
    let flanks = thread.alpha_deg > 0.0;
    // So near the best wire one bears on every form whose flanks are straight, whatever its crest.
    let best = thread.pitch.value / (2.0 * thread.alpha_deg.to_radians().cos());
    let wires = kit.wires_mm.iter().any(|w| (0.95..=1.25).contains(&(w / best)));
    Provable {
        screw: flanks && (wires || micrometer(Side::External, screw)) || gauge(Side::External),
        nut: flanks && micrometer(Side::Internal, nut) || gauge(Side::Internal),
    }
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

fn in_range(kit: &Kit, kind: MicrometerKind, sizes: Option<[f64; 2]>) -> Option<&OwnedMicrometer> {
    let [low, high] = sizes?;
    kit.micrometers.iter().find(|m| m.kind == kind && !m.lent && m.from_mm <= low && m.to_mm >= high)
}

/// Whether a micrometer of the drawer spans these sizes; not known while none are listed at all.
fn micrometer(before: &Inputs<'_>, kind: MicrometerKind, sizes: [f64; 2], voice: Voice) -> ProofFinding {
    let wanted = voice.between(sizes[0], sizes[1]);
    match in_range(before.kit, kind, Some(sizes)) {
        Some(m) => (Some(true), say!(voice, "proof-within", wanted = &wanted, name = &m.name)),
        None if before.kit.micrometers.is_empty() => (None, say!(voice, "proof-no-micrometers", wanted = &wanted)),
        None => (Some(false), say!(voice, "proof-no-micrometer-spans", wanted = &wanted)),
    }
}

fn judge(by: Proof, before: &Inputs<'_>, owned: Option<&OwnedGauge>, reach: Option<&Reach>, voice: Voice) -> ProofFinding {
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
                let any = if usable < ABOUT_MM { "no" } else { "yes" };
                return (Some(false), say!(voice, "proof-wires-too-long", any = any, there = voice.about(usable), span = voice.least(needs)));
            }
            if p + wire.value / 2.0 > ANVIL_MM {
                return (Some(false), say!(voice, "proof-past-anvil", anvil = voice.length(ANVIL_MM)));
            }
            if before.told.shoulder && usable < f64::midpoint(ANVIL_MM, needs) {
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
        Proof::Mate => mate(before, reach, voice),
        Proof::Plug => match (owned, thread.spec.side) {
            (Some(gauge), _) => (Some(true), say!(voice, "proof-gauge-owned", marked = &gauge.marked, both = if gauge.both { "yes" } else { "no" })),
            (None, Side::External) => (Some(false), say!(voice, "proof-ring-unmeasured")),
            (None, Side::Internal) if thread.basic.minor.value < LEAST_PLUG_MM => (Some(false), say!(voice, "proof-plug-thin")),
            (None, Side::Internal) => (Some(true), say!(voice, "proof-plug-ends")),
        },
        Proof::TestPiece | Proof::Auto => (Some(true), say!(voice, "proof-same-stock")),
    }
}

/// Whether the work comes out of the lathe for a trial, being held at both ends and the mate not hung on the tailstock before it went in.
fn comes_out(before: &Inputs<'_>) -> bool {
    !before.facts.mate_hung && before.blank.held().is_some_and(|h| matches!(h.holding, Holding::Centres | Holding::Arbor))
}

/// How a mate goes on.
struct Reach {
    serves: Option<bool>,
    why: String,
    mends: Option<Mends>,
}

/// What a mate's plain front meets past the last full thread, and the room before that, mm; no room where it is not known.
fn ahead_of_it(before: &Inputs<'_>) -> (Option<f64>, &'static str) {
    let blank = before.blank;
    let ended = before.thread.length - blank.usable_mm;
    match (before.told.shoulder, before.thread.spec.side, &blank.beyond) {
        (true, Side::Internal, _) => (Some(ended), "bottom"),
        (true, Side::External, _) => (Some(ended), "shoulder"),
        (false, _, Some(beyond)) if !comes_out(before) => (beyond.gap_mm.as_ref().map(|gap| ended + gap.value), if beyond.jaws { "jaws" } else { "beyond" }),
        (false, ..) => (Some(f64::INFINITY), "nothing"),
    }
}

/// How far a mate goes on: its plain front goes on past the last full thread until it meets what stands there, a shoulder or the bottom of
/// the bore where the thread ends at one, else the jaws or whatever was told to stand beyond. What it lacks there is lost of the engagement.
/// What it carries ahead is not guessed where something stands there. Nothing is said where nothing limits it and nothing was told.
fn goes_on(before: &Inputs<'_>, voice: Voice) -> Option<Reach> {
    let (facts, told) = (before.facts, before.told);
    let usable = before.blank.usable_mm;
    let (room, meets) = ahead_of_it(before);
    let wants = facts.mate_goes_on_mm.unwrap_or(usable);
    let on =
        |goes: f64| Reach { serves: Some(true), why: say!(voice, "proof-mate-goes-on", goes = voice.about(goes), wants = voice.about(wants)), mends: None };
    if wants > usable + HELD_OFF_MM {
        let why = say!(voice, "proof-mate-wants-more", wants = voice.about(wants), there = voice.about(usable));
        let longer = up(before.thread.length + wants - usable);
        return Some(Reach { serves: Some(false), why, mends: Some(Mends { says: "check-longer-thread", change: json!({"thread": {"length_mm": longer}}) }) });
    }
    let Some(ahead) = facts.mate_ahead_mm else {
        let why = match room {
            None => say!(voice, "proof-mate-both-untold", goes = voice.about(usable)),
            Some(room) if room.is_finite() => say!(voice, "proof-mate-ahead-untold", goes = voice.about(usable), meets = meets, room = voice.about(room)),
            Some(_) => return facts.mate_goes_on_mm.map(|_| on(usable)),
        };
        let plain = Mends { says: "check-tell-ahead", change: json!({"gauge": {"mate_ahead_mm": 0.0}}) };
        return Some(Reach { serves: None, why, mends: Some(plain) });
    };
    // Nothing ahead meets nothing: its own face stops where the thread does.
    let Some(room) = room.or((ahead <= 0.0).then_some(f64::INFINITY)) else {
        return Some(Reach { serves: None, why: say!(voice, "proof-mate-room-untold", ahead = voice.about(ahead)), mends: None });
    };
    let engages = usable - (ahead - room).max(0.0);
    if engages + HELD_OFF_MM >= wants {
        return Some(on(engages.max(0.0)));
    }
    let goes = voice.about(engages.max(0.0));
    let lacks = wants - engages;
    let mends = match meets {
        "jaws" => told.stick_out_mm.map(|out| Mends { says: "check-stand-out", change: json!({"blank": {"stick_out_mm": up(out + lacks)}}) }),
        "beyond" => told.beyond_mm.map(|gap| Mends { says: "check-more-room", change: json!({"blank": {"beyond_mm": up(gap + lacks)}}) }),
        // A wider relief takes of the thread what it gives the mate.
        _ => None,
    };
    let (short, ahead, room) = (voice.least(lacks), voice.about(ahead), voice.about(room));
    let why = say!(voice, "proof-mate-bottoms", meets = meets, goes = goes, wants = voice.about(wants), ahead = ahead, room = room, short = short);
    Some(Reach { serves: Some(false), why, mends })
}

/// To the half millimetre over, as a rule sets it.
fn up(mm: f64) -> f64 {
    (mm * 2.0).ceil() / 2.0
}

/// Less than this of a mate's way is nothing that holds it off, mm.
const HELD_OFF_MM: f64 = 0.05;

/// Whether the mate is there to be tried: as told, else whether the other of the pair is made; absent where neither tells it.
fn at_hand(before: &Inputs<'_>) -> Option<bool> {
    before.facts.mate_at_hand.or_else(|| before.mate.map(|m| m.made_mm.is_some()))
}

/// Trying the mate: whether it is there, and what is in its way.
fn mate(before: &Inputs<'_>, reach: Option<&Reach>, voice: Voice) -> (Option<bool>, String) {
    let thread = before.thread;
    let off = if before.facts.mate_is_nose {
        "nose"
    } else if before.facts.mate_hung {
        "hung"
    } else if comes_out(before) {
        "comes-out"
    } else if before.blank.slenderness.as_ref().is_some_and(|s| s.support != Support::None) {
        "draw-back"
    } else {
        "none"
    };
    let with_off = |why: String| why + &say!(voice, "proof-mate-off", off = off);
    if let Some(Reach { serves, why, .. }) = reach {
        return (*serves, if *serves == Some(true) { with_off(why.clone()) } else { why.clone() });
    }
    match at_hand(before) {
        Some(true) if thread.spec.side == Side::Internal && before.reach_past > 0.0 => {
            (Some(true), say!(voice, "proof-mate-past", past = voice.about(before.reach_past)))
        }
        Some(true) => (Some(true), with_off(say!(voice, "proof-mate-reaches"))),
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
