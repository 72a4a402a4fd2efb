//! The settings card of an operation: what is set for it, with this job's numbers, and how long it takes.

use super::along::{StretchKind, along, piece};
use super::line::{CardLine, number, words};
use super::propose::held;
use super::speed::{BROAD, Minutes};
use super::took::{OpTook, pace};
use super::{ADDED, Member, OpKind, Operation, other, rough, stock};
use crate::cut::{DepthDial, SlideName, counted};
use crate::job::{Chuck, Holding, PlainFacts, PlainKind, Support};
use crate::quantity::degrees_text;
use crate::say;
use crate::thread::Side;
use crate::voice::Voice;
use crate::working::Quantity;
use yoke_gears::train::counts;

/// Feed of a turning cut, mm a turn. House value.
const FEED_MM: f64 = 0.15;

/// The card of an operation as it is kept: of its thread's plan, or of what was told of it.
#[must_use]
pub fn card_of(op: &Operation, member: &Member<'_>, members: &[Member<'_>], voice: Voice) -> Vec<CardLine> {
    if ADDED.contains(&op.kind) { other::card(member, op.kind, op.told, voice) } else { bench(member, members, op.kind, voice) }
}

/// What is set for an operation; `members` are all jobs of the part, the one it is of among them.
#[must_use]
pub fn bench(member: &Member<'_>, members: &[Member<'_>], kind: OpKind, voice: Voice) -> Vec<CardLine> {
    let (plan, facts) = (member.plan, member.facts);
    let blank = &plan.blank;
    let speed = |share| member.speed(member.blank_mm(), share);
    let internal = plan.thread.side == Side::Internal;
    match kind {
        OpKind::Saw => stock::saw(member, members, voice),
        OpKind::Face | OpKind::Length => faced(member, members, kind, voice),
        OpKind::Centre => vec![
            words(say!(voice, "card-center-drill"), say!(voice, "card-center-drill-says")),
            words(
                say!(voice, "line-of-support"),
                if facts.blank.support == Support::None { say!(voice, "card-support-not-asked") } else { say!(voice, "card-support-grease") },
            ),
        ],
        OpKind::Drill => drill(member),
        OpKind::Turn | OpKind::Bore => turn(member, members, voice),
        OpKind::Plain => plain(member, members, voice),
        OpKind::Relief if blank.relief.is_none() => relief_told(member),
        OpKind::Relief => blank
            .relief
            .iter()
            .flat_map(|r| {
                [
                    number(say!(voice, "line-of-to-diameter"), &r.diameter_mm),
                    number(say!(voice, "line-of-wide-at-least"), &r.width_mm),
                    words(say!(voice, "line-of-its-corners"), r.says.clone()),
                    speed(BROAD),
                ]
                .into_iter()
                .chain(r.drill_mm.iter().map(|d| number(say!(voice, "line-of-drill"), d)))
            })
            .collect(),
        OpKind::Chamfer if plan.chaser.as_ref().is_some_and(|c| !c.bevels.is_empty()) => bevel(member),
        OpKind::SecondChamfer => second_edge(member, members, voice),
        OpKind::Chamfer => {
            vec![number(say!(voice, "line-of-to-diameter"), &blank.chamfer_mm), words(say!(voice, "line-of-at"), say!(voice, "card-at-45"))]
        }
        OpKind::Thread => thread_card(member).map_or_else(Vec::new, |t| {
            t.gears.into_iter().chain([t.half_nut, t.bit, t.speed, t.way]).chain(t.compound).chain(t.depth).chain([t.passes]).collect()
        }),
        OpKind::Chase | OpKind::ChaseTap => chase(member),
        OpKind::Die | OpKind::Tap => by_chaser(member),
        OpKind::Dress if internal => {
            vec![words(say!(voice, "line-of-how"), say!(voice, "card-dress-bore"))]
        }
        OpKind::Dress => {
            vec![words(say!(voice, "line-of-how"), say!(voice, "card-dress"))]
        }
        OpKind::Prove => prove(member),
        OpKind::PartOff => {
            let blade = blank.parting_mm.map(|mm| number(say!(voice, "line-of-blade"), &Quantity::given(voice, mm)));
            let rest = [speed(BROAD * 0.6), words(say!(voice, "line-of-how"), say!(voice, "card-part-off"))];
            blade.into_iter().chain(rest).collect()
        }
        _ => Vec::new(),
    }
}

/// Facing an end, the second to length.
fn faced(member: &Member<'_>, members: &[Member<'_>], kind: OpKind, voice: Voice) -> Vec<CardLine> {
    let rest = [
        member.speed(member.blank_mm(), 1.0),
        number(say!(voice, "line-of-most-a-cut"), &Quantity::given(voice, stock::FACING_MM)),
        words(say!(voice, "line-of-how"), say!(voice, "card-no-pip")),
    ];
    finished_length(member, members, kind, voice).into_iter().chain(rest).collect()
}

/// To what length the second end is faced, where that is known: between its limits where they were told.
fn finished_length(member: &Member<'_>, members: &[Member<'_>], kind: OpKind, voice: Voice) -> Option<CardLine> {
    let lies = along(member, members, voice);
    if kind != OpKind::Length || !lies.known {
        return None;
    }
    let told = piece(member, members).flat_map(|m| &m.facts.blank.plain).find(|p| p.kind == PlainKind::Length && (p.nominal_mm - lies.length).abs() < 1e-9);
    Some(match told {
        Some(size) => words(say!(voice, "line-of-finished-length"), voice.between(size.min_mm, size.max_mm)),
        None => number(say!(voice, "line-of-finished-length"), &Quantity::along(voice, lies.length)),
    })
}

/// What is broken off an edge that has no thread, mm. House value.
const EDGE_MM: f64 = 0.5;

/// The edge of the second end: the thread's own chamfer where it runs out there, else what stands there broken.
fn second_edge(member: &Member<'_>, members: &[Member<'_>], voice: Voice) -> Vec<CardLine> {
    let chamfer = &member.plan.blank.chamfer_mm;
    let lies = along(member, members, voice);
    let last = lies.outside.last().filter(|s| s.stands != StretchKind::Thread && member.plan.thread.side == Side::External);
    let to = last.map_or_else(
        || number(say!(voice, "line-of-to-diameter"), chamfer),
        |s| number(say!(voice, "line-of-to-diameter"), &Quantity::about(voice, s.mm - 2.0 * EDGE_MM)),
    );
    vec![to, words(say!(voice, "line-of-at"), say!(voice, "card-at-45"))]
}

/// The drill before a bore, and what it leaves.
fn drill(member: &Member<'_>) -> Vec<CardLine> {
    let (blank, voice) = (&member.plan.blank, member.plan.voice);
    blank
        .bore
        .iter()
        .flat_map(|b| {
            let rpm = member.speed(blank.aim_mm.value, 1.0);
            b.steps_mm
                .iter()
                .map(|d| number(say!(voice, "line-of-drill-first"), d))
                .chain(b.drill_mm.iter().map(|d| number(say!(voice, "line-of-drill"), d)))
                .chain(b.left_mm.iter().map(|l| number(say!(voice, "line-of-left-to-bore-on-diameter"), l)))
                .chain([rpm])
        })
        .collect()
}

/// From which diameter a blank is turned, or bored, mm: the bar as thick as the piece wants, or the hole its drill leaves.
fn from_mm(member: &Member<'_>, members: &[Member<'_>], voice: Voice) -> f64 {
    let blank = &member.plan.blank;
    match &blank.bore {
        Some(bore) => blank.aim_mm.value - bore.left_mm.as_ref().map_or(blank.aim_mm.value, |l| l.value),
        None => stock::thickest(member, members, voice).mm + stock::TRUE_MM,
    }
}

/// What the blank is turned, or bored, to.
pub(crate) fn turn_to(member: &Member<'_>) -> Vec<CardLine> {
    let (blank, voice) = (&member.plan.blank, member.plan.voice);
    vec![
        number(if blank.bore.is_some() { say!(voice, "card-bore-to") } else { say!(voice, "card-turn-to") }, &blank.aim_mm),
        number(say!(voice, "line-of-not-under"), &blank.min_mm),
        number(say!(voice, "line-of-not-over"), &blank.max_mm),
        member.speed(member.blank_mm(), 1.0),
    ]
}

/// What it is held by, and how it is known to be right.
pub(crate) fn turned(member: &Member<'_>) -> Vec<CardLine> {
    let (blank, voice) = (&member.plan.blank, member.plan.voice);
    let made = if blank.bore.is_some() { "card-bored" } else { "card-turned" };
    let mut lines = Vec::new();
    lines.extend(blank.measured.then(|| number(say!(voice, made), &blank.used_mm)));
    lines.extend(blank.slenderness.as_ref().map(|s| words(say!(voice, "line-of-held"), s.says.clone())));
    lines.extend(blank.plug.as_ref().map(|p| number(say!(voice, "line-of-a-plain-plug-enters-that"), &p.go_mm)));
    lines
}

/// The same with the cuts that bring it there.
fn turn(member: &Member<'_>, members: &[Member<'_>], voice: Voice) -> Vec<CardLine> {
    let blank = &member.plan.blank;
    let mut lines = turn_to(member);
    let finish_speed = lines.last().and_then(|l| l.text.clone());
    let from = from_mm(member, members, voice);
    if !blank.measured && from > 0.0 {
        let rough = member.speed(from.max(member.blank_mm()), 1.0);
        lines.extend((rough.text != finish_speed).then(|| CardLine { says: say!(voice, "line-of-speed-rough"), ..rough }));
        lines.extend(rough::rows(member, from, blank.aim_mm.value, (FEED_MM, member.rpm(from.max(member.blank_mm()), 1.0)), voice));
    }
    lines.extend(turned(member));
    lines
}

/// Plain sizes, and the register before a nut: an outside with the cross-slide's setting for the middle of its limits.
fn plain(member: &Member<'_>, members: &[Member<'_>], voice: Voice) -> Vec<CardLine> {
    let (blank, told) = (&member.plan.blank, &member.facts.blank.plain);
    let bar = stock::thickest(member, members, voice).mm + stock::TRUE_MM;
    let dial = DepthDial::new(SlideName::CrossSlide, &member.lathe.cross_slide, 0.0).said_in(voice.words);
    let turned = |p: &PlainFacts| p.kind == PlainKind::Outside && p.max_mm < bar;
    let mut lines = Vec::new();
    for (size, facts) in blank.plain.iter().zip(told) {
        let (name, min, max) = (&size.name, &size.min_mm.text, &size.max_mm.text);
        lines.push(words(say!(voice, "line-of-size"), say!(voice, "card-size", name = name, min = min, max = max)));
        if turned(facts) {
            let setting = dial.nearest((bar - f64::midpoint(facts.min_mm, facts.max_mm)) / 2.0).setting;
            let says = say!(voice, "card-size-dial", name = name, dial = setting.text, bar = voice.given(bar));
            lines.push(words(say!(voice, "line-of-cross-slide"), says));
        }
    }
    let register = blank.register.iter().flat_map(|r| {
        [
            number(say!(voice, "line-of-register-not-under"), &r.min_mm),
            number(say!(voice, "line-of-register-not-over"), &r.max_mm),
            number(say!(voice, "line-of-deep"), &r.depth_mm),
        ]
    });
    lines.extend(register);
    lines
}

/// What is set for a thread, each line by what it is.
pub(crate) struct ThreadCard {
    pub gears: Option<CardLine>,
    pub half_nut: CardLine,
    pub bit: CardLine,
    pub speed: CardLine,
    pub way: CardLine,
    /// Where it carries the depth.
    pub compound: Option<CardLine>,
    pub depth: Option<CardLine>,
    pub passes: CardLine,
    /// Where the passes stop to be measured, and what is left then.
    pub measure: Option<CardLine>,
}

/// A single point's; none where a die or a tap makes the thread.
pub(crate) fn thread_card(member: &Member<'_>) -> Option<ThreadCard> {
    let (plan, voice) = (member.plan.pointed()?, member.plan.voice);
    let gears = plan.gears.hung.as_ref().map(|hung| {
        let (drivers, driven) = (counts(&hung.train.drivers), counts(&hung.train.driven));
        if drivers.is_empty() {
            return words(say!(voice, "line-of-levers"), hung.train.gearbox.clone());
        }
        words(
            say!(voice, "line-of-gears-drivers-driven"),
            if hung.train.gearbox == "direct" {
                say!(voice, "card-train", drivers = drivers, driven = driven)
            } else {
                say!(voice, "card-train-at", drivers = drivers, driven = driven, lever = &hung.train.gearbox)
            },
        )
    });
    let depth = plan.cut.full_depth.as_ref().map(|full| {
        let (turns, reading) = (&full.text, &full.reading);
        words(
            if plan.cut.stop_says.is_some() { say!(voice, "card-to-first-measurement") } else { say!(voice, "card-full-depth") },
            if full.slide == SlideName::Compound {
                say!(voice, "card-depth-compound", turns = turns, reading = reading, deg = degrees_text(plan.cut.angle_deg))
            } else {
                say!(voice, "card-depth-cross", turns = turns, reading = reading)
            },
        )
    });
    Some(ThreadCard {
        gears,
        half_nut: words(say!(voice, "line-half-nut"), plan.nut_says()),
        bit: words(say!(voice, "line-of-bit"), plan.bit.says.clone()),
        speed: words(say!(voice, "line-of-speed"), plan.setup.speed_text().to_owned()),
        way: words(say!(voice, "line-of-way"), plan.setup.says.clone()),
        compound: (plan.cut.dial.slide == SlideName::Compound).then(|| words(say!(voice, "line-of-compound"), plan.cut.scale.clone())),
        depth,
        measure: plan.cut.stop_says.as_ref().map(|says| words(say!(voice, "line-of-then"), says.clone())),
        passes: words(
            say!(voice, "line-of-passes"),
            say!(voice, "card-passes-time", passes = counted(&plan.cut.passes, voice), time = &plan.cut.time.whole.text),
        ),
    })
}

/// The relief that was told, where a die runs into it.
fn relief_told(member: &Member<'_>) -> Vec<CardLine> {
    let (facts, voice) = (&member.facts.blank, member.plan.voice);
    let told = |line: &str, mm: Option<f64>| mm.map(|mm| number(say!(voice, line), &Quantity::given(voice, mm)));
    told("line-of-to-diameter", facts.relief_diameter_mm)
        .into_iter()
        .chain(told("line-of-wide-at-least", facts.relief_width_mm))
        .chain([member.speed(member.blank_mm(), BROAD)])
        .collect()
}

/// The bevel a die starts on: to under the root, at one angle or another.
fn bevel(member: &Member<'_>) -> Vec<CardLine> {
    let (plan, voice) = (member.plan, member.plan.voice);
    let mut lines = vec![number(say!(voice, "line-of-to-diameter"), &plan.blank.chamfer_mm)];
    let bevels = plan.chaser.iter().flat_map(|c| &c.bevels);
    lines.extend(bevels.map(|b| number(say!(voice, "line-of-bevel-at", deg = degrees_text(b.deg)), &b.long_mm)));
    lines
}

/// What makes the thread with a die or a tap: which, how it is turned, how far, and how it is known to be right.
pub(crate) fn by_chaser(member: &Member<'_>) -> Vec<CardLine> {
    let (plan, voice) = (member.plan, member.plan.voice);
    let Some(chaser) = &plan.chaser else { return Vec::new() };
    let mut lines: Vec<CardLine> = tool_at_hand(member).into_iter().collect();
    if let Some(hole) = chaser.hole.as_ref().filter(|h| h.blind) {
        lines.push(number(say!(voice, "line-of-hole-full"), &hole.full_depth_mm));
        lines.push(number(say!(voice, "line-of-hole-tip"), &hole.tip_depth_mm));
    }
    lines.push(number(say!(voice, "line-of-front-to"), &plan.blank.mark.from_face_mm));
    lines.push(number(say!(voice, "line-of-torque"), &chaser.twist.torque_nm));
    lines.push(number(say!(voice, "line-of-each-hand"), &chaser.twist.each_hand_n));
    lines.push(number(say!(voice, "line-of-each-jaw"), &chaser.twist.each_jaw_n));
    if chaser.power.chosen && chaser.power.serves {
        lines.push(words(say!(voice, "line-of-under-power"), chaser.power.says.clone()));
    }
    lines.extend(chaser.steps.iter().map(|s| words(s.name.clone(), s.says.clone())));
    lines
}

/// The die or tap of the drawer.
fn tool_at_hand(member: &Member<'_>) -> Option<CardLine> {
    let voice = member.plan.voice;
    let line = if member.plan.thread.side == Side::External { "line-of-die" } else { "line-of-tap" };
    member.plan.blank.at_hand.iter().find(|h| h.what == "chaser").map(|h| words(say!(voice, line), h.says.clone()))
}

/// Finishing with a die: which, to what, and how it is kept square and backed.
fn chase(member: &Member<'_>) -> Vec<CardLine> {
    let (plan, voice) = (member.plan, member.plan.voice);
    let how = if plan.thread.side == Side::External { "card-chase" } else { "card-chase-tap" };
    let mut lines: Vec<CardLine> = tool_at_hand(member).into_iter().chain(limits(ends_between(member), voice)).collect();
    lines.push(words(say!(voice, "line-of-how"), say!(voice, how)));
    // Backing a right-hand die off is the twist a left-hand one is cut by: either unscrews a chuck that screws on.
    if member.lathe.chuck == Chuck::Screwed {
        lines.push(words(say!(voice, "line-of-held"), say!(voice, "card-chase-screwed")));
    }
    lines
}

/// Limits of the pitch diameter, as they stand on a card.
fn limits([low, high]: [&Quantity; 2], voice: Voice) -> [CardLine; 2] {
    [number(say!(voice, "line-of-pitch-diameter-not-under"), low), number(say!(voice, "line-of-not-over"), high)]
}

/// What the single point is held to: of a thread a die finishes, with what is left for it.
fn measured_between<'a>(member: &'a Member<'_>) -> [&'a Quantity; 2] {
    [&member.plan.gauge.min_mm, &member.plan.gauge.max_mm]
}

/// What the thread is held to in the end: of one a die finishes, the drawing's own limits.
pub(super) fn ends_between<'a>(member: &'a Member<'_>) -> [&'a Quantity; 2] {
    let thread = &member.plan.thread;
    let own = if thread.side == Side::External { &thread.external.pitch_mm } else { &thread.internal.pitch_mm };
    match (&own.min, &own.max) {
        (Some(low), Some(high)) if member.finished_by_die() => [low, high],
        _ => measured_between(member),
    }
}

/// The size to be read over the wires, and the wires; none where none serve.
fn wires(member: &Member<'_>) -> Option<[CardLine; 2]> {
    let (gauge, voice) = (&member.plan.gauge, member.plan.voice);
    Some([
        number(say!(voice, "line-of-over-wires-aim"), &gauge.over_wires_mm.as_ref()?.target),
        number(say!(voice, "line-of-wires-of"), gauge.wire_mm.as_ref()?),
    ])
}

/// What is read in the shortest: over wires, or the limits where no wires serve.
pub(crate) fn over_wires(member: &Member<'_>) -> [CardLine; 2] {
    wires(member).unwrap_or_else(|| limits(measured_between(member), member.plan.voice))
}

fn prove(member: &Member<'_>) -> Vec<CardLine> {
    let (plan, voice) = (member.plan, member.plan.voice);
    // What is read over the wires is what was left for a die, and no proof after it.
    let over = wires(member).filter(|_| !member.finished_by_die());
    let mut lines: Vec<CardLine> = limits(ends_between(member), voice).into_iter().chain(over.into_iter().flatten()).collect();
    lines.extend(plan.proof.ways.iter().find(|w| w.chosen).map(|w| words(say!(voice, "line-of-by"), w.says.clone())));
    lines.extend(plan.proof.gauge.as_ref().map(|g| words(say!(voice, "line-of-gauge-to-turn-first"), g.says.clone())));
    lines.extend(plan.pair.as_ref().filter(|p| p.first == Some(false)).map(|p| words(say!(voice, "line-of-fitted"), p.says.clone())));
    lines
}

/// Minutes to put a member's work into its holding and true it. House values.
#[must_use]
pub fn chucking_of(member: &Member<'_>) -> f64 {
    match held(member) {
        Holding::ThreeJaw | Holding::Collet => 1.0,
        Holding::ByItsThread | Holding::Arbor | Holding::Centres => 2.0,
        Holding::FourJaw => 6.0,
        Holding::Faceplate => 12.0,
    }
}

/// Minutes to set a chucking up before the first part goes in: its stop, its jaws, centres in the chuck's place. House values.
#[must_use]
pub fn standing_of(member: &Member<'_>) -> f64 {
    match held(member) {
        Holding::ThreeJaw | Holding::Collet | Holding::ByItsThread => 3.0,
        Holding::FourJaw | Holding::Faceplate | Holding::Arbor => 4.0,
        Holding::Centres => 6.0,
    }
}

/// Minutes to hang one gear. House value.
const GEAR_MIN: f64 = 1.5;

/// Roughing cuts of a blank; of one not drilled and not bored yet, one.
#[allow(clippy::cast_precision_loss)] // a handful of cuts
fn roughing(member: &Member<'_>, members: &[Member<'_>]) -> f64 {
    let from = from_mm(member, members, member.plan.voice);
    if from <= 0.0 {
        return 1.0;
    }
    let rpm = member.rpm(from.max(member.blank_mm()), 1.0);
    rough::lay_out(member, from, member.plan.blank.aim_mm.value, FEED_MM, rpm).cuts as f64
}

/// How long an operation takes: cuts from speed and feed; handling and setting by house values.
#[allow(clippy::cast_precision_loss)] // a handful of sizes and gears
fn minutes(member: &Member<'_>, members: &[Member<'_>], kind: OpKind) -> Minutes {
    let plan = member.plan;
    let (blank, length) = (member.blank_mm(), plan.thread.length_mm.value);
    let across = |share: f64, feed: f64| (blank / 2.0 + 1.0) / (feed * member.rpm(blank, share));
    let along = (length + 3.0) / (FEED_MM * member.rpm(blank, 1.0));
    let (set, each) = match kind {
        OpKind::Saw => (1.0, 2.0 + blank * blank / 400.0),
        OpKind::Face | OpKind::Length => (1.0, 1.0 + 2.0 * across(1.0, FEED_MM)),
        OpKind::Centre => (1.0, 1.0),
        OpKind::Drill => (1.0, 1.0 + (length + blank / 3.0) / (0.1 * member.rpm(blank, 1.0))),
        // The roughing cuts, one to measure from, one to size.
        OpKind::Turn | OpKind::Bore => (2.0, 2.0 + (roughing(member, members) + 2.0) * along),
        OpKind::Plain => (1.0, 2.0 * (plan.blank.plain.len().max(1)) as f64),
        OpKind::Relief => (2.0, 1.0 + across(BROAD, 0.05)),
        OpKind::Chamfer | OpKind::SecondChamfer => (1.0, 0.5),
        OpKind::Thread => plan.pointed().map_or((0.0, 0.0), |p| {
            let gears = p.gears.hung.as_ref().map_or(0, |h| h.train.swaps);
            (5.0 + GEAR_MIN * gears as f64, p.cut.time.whole.value / 60.0)
        }),
        OpKind::Chase | OpKind::ChaseTap | OpKind::Die => (3.0, 2.0 + by_hand(length, plan.thread.lead_mm.value)),
        OpKind::Tap => {
            // Each tap of the set goes in and out again.
            let taps = plan.chaser.iter().flat_map(|c| &c.hole).flat_map(|h| &h.taps).filter(|t| t.run).count().max(1);
            (3.0, 1.0 + taps as f64 * (1.0 + by_hand(plan.blank.mark.from_face_mm.value, plan.thread.lead_mm.value)))
        }
        OpKind::Dress => (0.0, 1.0),
        OpKind::Prove => (0.0, 2.0),
        OpKind::PartOff => (2.0, 1.0 + across(BROAD * 0.6, 0.05)),
        other => return super::other::minutes(other).unwrap_or_default(),
    };
    Minutes { set, each }
}

/// Minutes to turn a die or a tap so far by hand: a turn on and half a turn back, and off again, two seconds a turn. House value.
fn by_hand(length: f64, lead: f64) -> f64 {
    3.0 * length / lead * 2.0 / 60.0
}

/// The same of an operation kept: the user's own time before the app's, and that by what such work took on this lathe.
#[must_use]
pub fn minutes_of(op: &Operation, member: Option<&Member<'_>>, members: &[Member<'_>], took: &[OpTook]) -> Minutes {
    let reckoned = reckoned_of(op, member, members);
    match (op.minutes, member) {
        (Some(own), _) => Minutes { set: 0.0, each: own },
        (None, Some(m)) => pace(took, &m.lathe.name, op.kind).map_or(reckoned, |p| {
            // A thread's own clock tells of its passes, and not of what was set for them.
            let set = if op.kind.makes_thread() { 1.0 } else { p.times };
            Minutes { set: reckoned.set * set, each: reckoned.each * p.times }
        }),
        (None, None) => reckoned,
    }
}

/// What is reckoned for an operation before anything was told of such work.
#[must_use]
pub fn reckoned_of(op: &Operation, member: Option<&Member<'_>>, members: &[Member<'_>]) -> Minutes {
    member.map_or(Minutes::default(), |m| minutes(m, members, op.kind))
}
