//! What this job's own numbers say for or against each cause.

use super::known::JobEvidence;
use crate::gears::DialRule;
use crate::job::{Chuck, Ending, Style, Support};
use crate::log::ActKind;
use crate::plan::State;
use crate::quantity::plain_text;
use crate::thread::Fit;
use crate::watch::Level;
use crate::watch::{Code, DOUBTFUL_SHARE};
use serde::Serialize;

/// How a cause stands by the numbers.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Serialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum EvidenceState {
    /// The numbers show it.
    Shown,
    /// They say nothing of it: only the check does.
    Open,
    /// They speak against it.
    Unlikely,
}

/// What is said of one cause: how it stands, how heavy it is among those that stand alike, and why.
pub(super) struct Evidence {
    pub standing: EvidenceState,
    pub weight: f64,
    pub why: String,
}

/// Spring past which more than the last pass is left to come, as a share. House value.
const SPRINGS_MUCH: f64 = 0.25;
/// Tool off centre by so much of the work's diameter shows on the flanks. House value.
const OFF_CENTRE: f64 = 0.015;
/// Coarse enough that both flanks at once tear and chatter, mm. House value.
const COARSE_MM: f64 = 2.0;

fn shown(weight: f64, why: impl Into<String>) -> Evidence {
    Evidence { standing: EvidenceState::Shown, weight, why: why.into() }
}

fn open(why: impl Into<String>) -> Evidence {
    Evidence { standing: EvidenceState::Open, weight: 0.0, why: why.into() }
}

fn unlikely(why: impl Into<String>) -> Evidence {
    Evidence { standing: EvidenceState::Unlikely, weight: 0.0, why: why.into() }
}

/// Shown where its station warns of it, unlikely where it was told and does not, else open.
fn by_watch(k: &JobEvidence, codes: &[Code], least: Level, told: Option<String>, not_told: &str) -> Evidence {
    match (k.watch(codes, least), told) {
        (Some(text), _) => shown(1.0, text),
        (None, Some(why)) => unlikely(why),
        (None, None) => open(not_told),
    }
}

/// Shown where a line of the check is red, unlikely where it is green.
fn by_check(k: &JobEvidence, code: &str, none: &str) -> Evidence {
    match k.check(code) {
        Some((State::Bad, says)) => shown(1.0, says),
        Some((State::Good, says)) => unlikely(says),
        Some((State::Unknown, says)) => open(says),
        None => unlikely(none),
    }
}

pub(super) fn metal_left(k: &JobEvidence) -> Evidence {
    let voice = k.voice();
    match k.left(voice) {
        Some(left) if left > 1e-9 => shown(1.0 + left / k.room(), format!("Read last, it is {} short of its limit.", voice.length(left))),
        Some(left) => unlikely(format!("Read last, it is {} within its limit.", voice.length(-left))),
        None if k.run.is_some_and(|r| r.next.is_some()) => open("The passes are not all cut yet."),
        None => open("It was not read since it was last cut."),
    }
}

/// By elimination: in limits, nothing hidden, and it does not go.
pub(super) fn burr(k: &JobEvidence) -> Evidence {
    let voice = k.voice();
    if k.reads_good(voice) && k.does_not_go() && k.hidden() <= k.room() * DOUBTFUL_SHARE {
        return shown(0.5, "It reads within its limits, neither lead nor flanks are out, and it does not go: a burr is what is left.");
    }
    if k.reads_good(voice) && matches!(k.fit(), Some(Fit::Free | Fit::Shakes { .. })) {
        unlikely("It goes.")
    } else {
        open("No number tells of a burr: a fingernail does.")
    }
}

pub(super) fn crests(k: &JobEvidence) -> Evidence {
    let voice = k.voice();
    let blank = &k.plan.blank;
    let (over, word) = if k.screw() { (blank.used_mm.value - blank.max_mm.value, "turned") } else { (blank.min_mm.value - blank.used_mm.value, "bored") };
    let band = format!("{} to {}", blank.min_mm.text, blank.max_mm.text);
    if !blank.measured {
        open(format!("What it was {word} to was not told; {band} is wanted."))
    } else if over > 1e-9 {
        shown(1.0 + over / k.room(), format!("It was {word} to {}, where {band} is wanted: crests {} too full.", blank.used_mm.text, voice.length(over)))
    } else {
        unlikely(format!("It was {word} to {}, within {band}.", blank.used_mm.text))
    }
}

pub(super) fn flank_angle(k: &JobEvidence) -> Evidence {
    let voice = k.voice();
    let (feels, room) = (k.flanks(), k.room());
    let says = format!("The flanks feel like {} of the {} there are.", voice.micro(feels), voice.micro(room));
    let told = k.job.bit.included_angle_deg.is_some() || k.run.is_some_and(|r| r.flank.is_some());
    if feels > room * DOUBTFUL_SHARE {
        shown(feels / room, says)
    } else if told {
        unlikely(says)
    } else {
        open(k.voice().fill("The angle of the {bit} was not told."))
    }
}

pub(super) fn lead_error(k: &JobEvidence) -> Evidence {
    let Some(hung) = &k.plan.gears.hung else { return shown(1.0, "No train is hung that cuts this pitch.") };
    let takes = k.plan.run.hidden_mm[0];
    if takes > k.room() * DOUBTFUL_SHARE { shown(takes / k.room(), hung.judged.clone()) } else { unlikely(hung.judged.clone()) }
}

pub(super) fn root_shallow(k: &JobEvidence) -> Evidence {
    let bit = &k.plan.bit;
    let told = bit.measured.then(|| format!("A flat of {} was told; {} at most is wanted.", bit.flat_mm.text, bit.tip_flat_mm.max.text));
    by_watch(k, &[Code::TipTooWide], Level::Warn, told, "The tip was not measured.")
}

pub(super) fn entrance(k: &JobEvidence) -> Evidence {
    let voice = k.voice();
    if let Some(text) = k.watch(&[Code::Chamfer], Level::Warn) {
        return shown(0.8, text);
    }
    match k.fit() {
        Some(Fit::Enters { turns }) if turns < 1.0 && k.reads_good(voice) => {
            shown(0.7, format!("It reads within its limits and stops after {} of a turn: the first thread holds it.", plain_text(turns, 1)))
        }
        _ => open(format!("A chamfer to {} is wanted, its first thread backed off.", k.plan.blank.chamfer_mm.text)),
    }
}

pub(super) fn wrong_hand(k: &JobEvidence) -> Evidence {
    let (cut, asked) = (k.plan.setup.hand_cut.word(), k.plan.thread.hand.word());
    if cut == asked {
        unlikely(format!("The whole chain cuts {cut}, as asked."))
    } else {
        shown(3.0, format!("The whole chain cuts {cut}, where {asked} is asked for."))
    }
}

pub(super) fn other_mate(k: &JobEvidence) -> Evidence {
    let voice = k.voice();
    let thread = &k.plan.thread;
    let limits = if k.screw() { &thread.internal.pitch_mm } else { &thread.external.pitch_mm };
    let (Some(low), Some(high)) = (limits.min.as_ref().map(|q| q.value), limits.max.as_ref().map(|q| q.value)) else {
        return open("The mate was not measured.");
    };
    let made = k.job.mate.as_ref().and_then(|m| m.made_mm);
    let felt = k.run.and_then(|r| r.tip.as_ref()).and_then(|t| t.mate_mm);
    let out = |mm: f64, doubt: f64| (low - mm).max(mm - high) - doubt;
    match (made, felt) {
        (Some(made), _) if out(made, 0.0) > 0.0 => {
            shown(0.9, format!("The mate was measured at {}, where its limits are {} to {}.", voice.length(made), voice.length(low), voice.length(high)))
        }
        (None, Some(felt)) if out(felt, 0.03) > 0.0 => {
            shown(0.8, format!("By the trials it goes at {}, where its limits are {} to {}.", voice.length(felt), voice.length(low), voice.length(high)))
        }
        (Some(made), _) => unlikely(format!("The mate was measured at {}, within its limits.", voice.length(made))),
        (None, Some(felt)) => unlikely(format!("By the trials it goes at {}, within its limits.", voice.length(felt))),
        (None, None) => open("The mate was not measured."),
    }
}

pub(super) fn past_limit(k: &JobEvidence) -> Evidence {
    let voice = k.voice();
    let run = &k.plan.run;
    let Some((size, doubt)) = k.size(voice) else { return open("It was not read since it was last cut.") };
    let past = run.cut_sign() * (run.far_limit() - size);
    if past > doubt {
        shown(1.0 + past / k.room(), format!("Read last, it is {} past its limit.", voice.length(past)))
    } else {
        unlikely("Read last, it is not past its limit.")
    }
}

pub(super) fn off_centre(k: &JobEvidence) -> Evidence {
    let voice = k.voice();
    let Some(height) = k.job.bit.height_mm else { return open("The tool\u{2019}s height was not told.") };
    let most = OFF_CENTRE * k.plan.blank.used_mm.value;
    let says = format!("The tip stands {} {} {}.", voice.length(height.abs()), if height > 0.0 { "above" } else { "below" }, voice.words().center);
    if height.abs() > most { shown(height.abs() / most / 2.0, says) } else { unlikely(says) }
}

pub(super) fn rubs(k: &JobEvidence) -> Evidence {
    by_check(k, "tool_clears", "Nothing tells of its sides.")
}

pub(super) fn dull(k: &JobEvidence) -> Evidence {
    match k.plan.bit.drawer.tools.iter().find(|t| t.picked) {
        Some(tool) if !tool.serves => shown(1.0, format!("The {} picked: {}", tool.name, tool.says.join(" "))),
        Some(tool) => open(format!("The {} was sharp when it was told last.", tool.name)),
        None => by_watch(k, &[Code::ToolGone], Level::Warn, None, "How sharp it is was not told."),
    }
}

pub(super) fn too_fast(k: &JobEvidence) -> Evidence {
    let setup = &k.plan.setup;
    let (speed, limit) = (setup.speed_rpm.value, setup.limit_rpm.value);
    let says = format!("{}, where {} allows {}.", setup.speed_rpm.text, setup.speed_limit.says(), setup.limit_rpm.text);
    if speed > limit * 1.001 { shown(speed / limit - 0.2, says) } else { unlikely(says) }
}

/// Whether the compound of this lathe could feed down the flank instead.
fn swings(k: &JobEvidence) -> bool {
    let [low, high] = k.lathe.compound.swing_deg;
    let flank = k.plan.thread.flanks().trailing;
    flank > 0.0 && ((low..=high).contains(&flank) || (low..=high).contains(&-flank))
}

pub(super) fn both_flanks(k: &JobEvidence) -> Evidence {
    let voice = k.voice();
    let pitch = k.plan.thread.pitch_mm.value;
    let straight_in = k.plan.cut.style == Style::Radial;
    if straight_in && pitch >= COARSE_MM && swings(k) {
        shown(0.6, format!("Fed straight in, both edges cut at once the whole way down a pitch of {}.", voice.length(pitch)))
    } else if straight_in {
        open("It is fed straight in: both edges cut at once.")
    } else {
        unlikely("It is not fed straight in.")
    }
}

pub(super) fn slender(k: &JobEvidence) -> Evidence {
    let told = k.plan.blank.slenderness.as_ref().map(|s| s.says.clone());
    by_watch(k, &[Code::Stickout, Code::BarUnfit], Level::Warn, told, "How far the bar stands out was not told.")
}

fn tapers(k: &JobEvidence) -> Option<f64> {
    k.run?.verdict.as_ref()?.shape.as_ref()?.taper_mm
}

/// A taper read that takes more than a third of the room.
fn shown_taper(k: &JobEvidence, taper: f64, end: &str) -> Option<Evidence> {
    let voice = k.voice();
    let way = if taper > 0.0 { "larger" } else { "smaller" };
    (taper.abs() > k.room() * DOUBTFUL_SHARE)
        .then(|| shown(taper.abs() / k.room(), format!("It reads {} {way} at the far end, {end}.", voice.length(taper.abs()))))
}

pub(super) fn tailstock(k: &JobEvidence) -> Evidence {
    let support = k.plan.blank.slenderness.as_ref().map_or(Support::None, |s| s.support);
    if let Some(text) = k.watch(&[Code::Taper], Level::Warn) {
        return shown(1.2, text);
    }
    if support == Support::None {
        return unlikely(k.voice().fill("No {center} holds the free end."));
    }
    let otherwise =
        || if k.plan.blank.parallel.is_some() { unlikely("The parallel test found nothing that shows.") } else { open("No parallel test was made.") };
    tapers(k).and_then(|t| shown_taper(k, t, &k.voice().fill("with a {center} holding it"))).unwrap_or_else(otherwise)
}

pub(super) fn bends(k: &JobEvidence) -> Evidence {
    let support = k.plan.blank.slenderness.as_ref().map_or(Support::Steady, |s| s.support);
    match (support, tapers(k)) {
        (Support::None, Some(t)) => shown_taper(k, t, "and nothing holds that end").unwrap_or_else(|| unlikely("Read along it, it is parallel.")),
        (Support::None, None) => open("The free end is not held: several readings along it would tell."),
        (Support::Centre, _) => unlikely(k.voice().fill("A {center} holds the free end.")),
        (Support::Steady, _) => unlikely(if k.screw() { "A steady stands beside the cut." } else { "A bore has no free end to bend." }),
    }
}

pub(super) fn spring(k: &JobEvidence) -> Evidence {
    match k.run.and_then(|r| r.tip.as_ref()) {
        Some(t) if t.readings >= 2 && t.spring > SPRINGS_MUCH => {
            shown(t.spring, format!("By {} readings {} % of every cut springs away.", t.readings, plain_text(100.0 * t.spring, 0)))
        }
        Some(t) if t.readings >= 2 => unlikely(format!("By {} readings {} % of a cut springs away.", t.readings, plain_text(100.0 * t.spring, 0))),
        _ => open("Two readings at two depths would tell how much springs away."),
    }
}

pub(super) fn wrong_mark(k: &JobEvidence) -> Evidence {
    if k.did(|a| matches!(a, ActKind::Lost {})) {
        return shown(1.5, k.voice().fill("The {half-nut} was told to have been opened where it should have stayed closed."));
    }
    if let Some(text) = k.watch(&[Code::DialUnsafe], Level::Warn) {
        return shown(1.4, text);
    }
    match (k.plan.setup.ending, k.plan.gears.dial.rule) {
        (_, DialRule::AnyPosition) => unlikely("On this train any position of the dial is right."),
        (Ending::Dial | Ending::SameMark | Ending::ChalkMarks, _) => open(k.plan.gears.dial.says.clone()),
        _ => unlikely(k.voice().fill("The {half-nut} stays closed.")),
    }
}

pub(super) fn dial_drift(k: &JobEvidence) -> Evidence {
    by_watch(k, &[Code::DialDrift], Level::Warn, Some(k.plan.gears.hung.as_ref().map_or_else(String::new, |h| h.train.error_text.clone())), "")
}

pub(super) fn play(k: &JobEvidence) -> Evidence {
    let voice = k.voice();
    let pitch = k.plan.thread.pitch_mm.value;
    match k.job.setup.backlash_mm {
        Some(b) if b > 2.0 * pitch => {
            shown(0.5 + b / pitch / 10.0, format!("The drive has {} of play, over two pitches: a short run-up leaves it in.", voice.length(b)))
        }
        Some(b) => unlikely(format!("The drive has {} of play, and the run-up of {} takes it up.", voice.length(b), k.plan.setup.run_up_mm.text)),
        None => open("How much play the drive has was not told."),
    }
}

pub(super) fn starts(k: &JobEvidence) -> Evidence {
    let count = k.plan.thread.starts;
    if count < 2 {
        return unlikely("It has one start.");
    }
    if k.plan.cut.starts.iter().any(|w| w.serves) {
        open(format!("It has {count} starts."))
    } else {
        shown(0.9, format!("It has {count} starts, and no way on to the next serves on this train and lathe."))
    }
}

pub(super) fn rechucked(k: &JobEvidence) -> Evidence {
    if k.did(|a| matches!(a, ActKind::Rechucked {})) {
        return shown(1.0, "It was told to have been out of its chuck since the cut began.");
    }
    match (k.job.blank.rechucked, &k.plan.blank.run_out) {
        (true, Some(r)) => shown(0.9, r.does.clone()),
        (true, None) => open("It was out of its chuck, and no run-out was read since."),
        _ => unlikely("It was not told to have been out of its chuck."),
    }
}

pub(super) fn gears_on(k: &JobEvidence) -> Evidence {
    by_check(k, "gears_on", "No train is told to be on the lathe.")
}

pub(super) fn misfit(k: &JobEvidence) -> Evidence {
    let voice = k.voice();
    let lead = k.plan.thread.lead_mm.value;
    match k.noted("pitch") {
        Some(measured) if measured > 0.0 && (measured / lead - 1.0).abs() > 0.01 => {
            let (says, mistakes) = k.plan.gears.misfit(k.lathe, k.plan.thread.starts, measured, voice);
            shown(1.5 + 0.1 * f64::from(u8::from(!mistakes.is_empty())), says)
        }
        Some(measured) if measured > 0.0 => unlikely(format!("The scratch was noted as {}, which is right.", voice.length(measured))),
        _ => {
            let screw = crate::quantity::real(&k.lathe.leadscrew);
            open(format!("Driver and driven changed about, this train cuts {}.", voice.length(screw * screw / lead)))
        }
    }
}

pub(super) fn first_thread(k: &JobEvidence) -> Evidence {
    let voice = k.voice();
    match k.fit() {
        Some(Fit::Enters { turns }) if turns <= 2.0 && k.reads_good(voice) => {
            shown(0.6, format!("It reads within its limits and stops after {} turns.", plain_text(turns, 1)))
        }
        _ => open("Look at the first half turn."),
    }
}

pub(super) fn round(k: &JobEvidence) -> Evidence {
    let voice = k.voice();
    match k.run.and_then(|r| r.verdict.as_ref()).and_then(|v| v.shape.as_ref()).and_then(|s| s.out_of_round_mm) {
        Some(r) if r > k.room() * DOUBTFUL_SHARE => shown(r / k.room(), format!("Read around it, it is out of round by {}.", voice.length(r))),
        Some(_) => unlikely("Read around it, it is round."),
        None => open("It was read at one place only."),
    }
}

pub(super) fn stops_late(k: &JobEvidence) -> Evidence {
    let voice = k.voice();
    let most = k.run.map_or(0.0, |r| r.overran_mm.iter().copied().fold(0.0, f64::max));
    if most > 0.0 {
        return shown(1.5, format!("A pass was told to have run {} past its mark.", voice.about(most)));
    }
    by_check(k, "speed", "By hand nothing runs on.")
}

pub(super) fn relief(k: &JobEvidence) -> Evidence {
    match (by_check(k, "relief_depth", ""), by_check(k, "relief_width", "")) {
        (a, _) if a.standing == EvidenceState::Shown => a,
        (_, b) if b.standing == EvidenceState::Shown => b,
        (a, b) if a.why.is_empty() && b.why.is_empty() => unlikely("It ends with no relief."),
        (a, b) => Evidence { standing: a.standing.min(b.standing), weight: 0.0, why: format!("{} {}", a.why, b.why).trim().to_owned() },
    }
}

pub(super) fn grip(k: &JobEvidence) -> Evidence {
    match k.watch(&[Code::Holding], Level::Warn) {
        Some(text) => shown(1.0, text),
        None => open("Jaws worn, work oily, or the tailstock let go."),
    }
}

pub(super) fn unscrews(k: &JobEvidence) -> Evidence {
    if k.lathe.chuck != Chuck::Screwed {
        return unlikely("The chuck does not screw on.");
    }
    match k.watch(&[Code::ChuckUnscrews], Level::Danger) {
        Some(text) => shown(2.0, text),
        None => open("The chuck screws on; a hard start in reverse loosens it."),
    }
}

pub(super) fn too_deep(k: &JobEvidence) -> Evidence {
    let voice = k.voice();
    let most = k.job.blank.material.first_cut_mm;
    let mut before = 0.0;
    let mut deepest: (u32, f64) = (0, 0.0);
    for pass in k.plan.cut.passes.iter() {
        if pass.radial_mm - before > deepest.1 {
            deepest = (pass.n, pass.radial_mm - before);
        }
        before = pass.radial_mm;
    }
    let says = format!(
        "Pass {} takes {} at once, where {} is a bold first cut in {}.",
        deepest.0,
        voice.length(deepest.1),
        voice.length(most),
        k.job.blank.material.name
    );
    if deepest.1 > 1.25 * most { shown(deepest.1 / most, says) } else { unlikely(says) }
}

pub(super) fn reversed(k: &JobEvidence) -> Evidence {
    let keeps = matches!(k.plan.setup.ending, Ending::Closed | Ending::SameMark);
    let brittle = k.job.bit.material.is_some_and(|m| m.code.contains("carbide"));
    match (keeps, brittle) {
        (true, true) => shown(1.0, k.voice().fill("The {half-nut} stays closed and the spindle reverses: carbide drawn back through its own cut chips.")),
        (true, false) => open("The spindle reverses each pass: the tool must be clear first."),
        (false, _) => unlikely("The spindle does not reverse in the cut."),
    }
}

pub(super) fn weak_tip(k: &JobEvidence) -> Evidence {
    let bit = &k.plan.bit;
    if !bit.measured {
        return open("The tip was not measured.");
    }
    let says = format!("A flat of {} was told; {} to {} is allowed.", bit.flat_mm.text, bit.tip_flat_mm.min.text, bit.tip_flat_mm.max.text);
    if bit.flat_mm.value < bit.tip_flat_mm.min.value - 1e-9 {
        shown(1.0 - bit.flat_mm.value / bit.tip_flat_mm.min.value.max(1e-6), says)
    } else {
        unlikely(says)
    }
}

pub(super) fn broke(k: &JobEvidence) -> Evidence {
    let broke = k.did(|a| matches!(a, ActKind::BitChanged { why: crate::log::BitChange::Broke, .. }));
    if broke { shown(2.0, k.voice().fill("A {bit} was told to have broken.")) } else { open("A piece left in the groove breaks the next.") }
}

pub(super) fn opened(k: &JobEvidence) -> Evidence {
    match (k.did(|a| matches!(a, ActKind::Lost {})), k.plan.run.opening_loses) {
        (true, _) => shown(1.5, "It was told to have been opened where it should have stayed closed."),
        (false, true) => open(k.plan.gears.dial.says.clone()),
        (false, false) => unlikely(format!("On this train nothing is lost by it: {}", k.plan.gears.dial.says)),
    }
}

pub(super) fn lean(k: &JobEvidence) -> Evidence {
    let cut = &k.plan.cut;
    let told = if cut.style.slants() { cut.scale.clone() } else { k.voice().fill("The {compound} does not carry the depth.") };
    by_watch(k, &[Code::CompoundAngle], Level::Warn, Some(told), "")
}

pub(super) fn wrong_wires(k: &JobEvidence) -> Evidence {
    let voice = k.voice();
    match (k.size_asked(), k.plan.run.wires) {
        (Some(asked), _) => shown(1.0, asked),
        (None, Some(w)) => open(format!("The size is reckoned for wires of {}.", voice.length(w.wire_mm))),
        (None, None) => unlikely("No wires are in it."),
    }
}

pub(super) fn no_proof(k: &JobEvidence) -> Evidence {
    match k.plan.proof.by {
        None => shown(0.9, "No way of proving the size was found with the part as held."),
        Some(_) => unlikely(k.plan.proof.ways.iter().find(|w| w.chosen).map_or_else(String::new, |w| format!("It can be proven by {}: {}.", w.says, w.why))),
    }
}

pub(super) fn packed(k: &JobEvidence) -> Evidence {
    let voice = k.voice();
    if k.screw() || !k.job.blank.shoulder {
        return unlikely("It is not a blind bore.");
    }
    match k.fit() {
        Some(Fit::Enters { turns }) if turns * k.plan.thread.lead_mm.value > 0.6 * k.plan.thread.length_mm.value => {
            shown(0.7, format!("It stops {} in, near the bottom.", voice.length(turns * k.plan.thread.lead_mm.value)))
        }
        _ => open("It is a blind bore."),
    }
}
