//! What this job's own numbers say for or against each cause.

use super::known::JobEvidence;
use crate::gears::DialRule;
use crate::job::{Chuck, Ending, Proof, Style, Support};
use crate::log::ActKind;
use crate::plan::State;
use crate::quantity::plain_text;
use crate::say;
use crate::thread::{Fit, Touched};
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
fn by_watch(k: &JobEvidence, codes: &[Code], least: Level, told: Option<String>, not_told: String) -> Evidence {
    match (k.watch(codes, least), told) {
        (Some(text), _) => shown(1.0, text),
        (None, Some(why)) => unlikely(why),
        (None, None) => open(not_told),
    }
}

/// Shown where a line of the check is red, unlikely where it is green.
fn by_check(k: &JobEvidence, code: &str, none: String) -> Evidence {
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
        Some(left) if left > 1e-9 => shown(1.0 + left / k.room(), say!(voice, "shows-short", left = voice.length(left))),
        Some(left) => unlikely(say!(voice, "shows-within", left = voice.length(-left))),
        None if k.run.is_some_and(|r| r.next.is_some()) => open(say!(k.voice(), "shows-passes-left")),
        None => open(say!(k.voice(), "shows-not-read")),
    }
}

/// Whether something met before the threads did: asked before anything else of a trial that failed.
pub(super) fn held_off(k: &JobEvidence) -> Evidence {
    let voice = k.voice();
    let reach = k.plan.proof.ways.iter().find(|w| w.by == Proof::Mate && w.serves == Some(false) && k.job.gauge.mate_at_hand == Some(true));
    match (k.touched(), reach) {
        (Some(Touched::Nothing), _) => unlikely(say!(voice, "shows-nothing-met")),
        (Some(by), _) => shown(3.0, say!(voice, "verdict-touched", by = by.word())),
        (None, Some(way)) => shown(1.5, way.why.clone()),
        (None, None) => open(say!(voice, "shows-met-untold")),
    }
}

/// By elimination: in limits, nothing hidden, and it does not go.
pub(super) fn burr(k: &JobEvidence) -> Evidence {
    let voice = k.voice();
    if k.reads_good(voice) && k.does_not_go() && k.hidden() <= k.room() * DOUBTFUL_SHARE {
        return shown(0.5, say!(k.voice(), "shows-burr-left"));
    }
    if k.reads_good(voice) && matches!(k.fit(), Some(Fit::Free | Fit::Shakes { .. })) {
        unlikely(say!(k.voice(), "shows-goes"))
    } else {
        open(say!(k.voice(), "shows-fingernail"))
    }
}

pub(super) fn crests(k: &JobEvidence) -> Evidence {
    let voice = k.voice();
    let blank = &k.plan.blank;
    let (over, side) = if k.screw() { (blank.used_mm.value - blank.max_mm.value, "outside") } else { (blank.min_mm.value - blank.used_mm.value, "inside") };
    let (min, max, used) = (&blank.min_mm.text, &blank.max_mm.text, &blank.used_mm.text);
    if !blank.measured {
        open(say!(voice, "shows-crests-untold", side = side, min = min, max = max))
    } else if over > 1e-9 {
        let over_text = voice.length(over);
        shown(1.0 + over / k.room(), say!(voice, "shows-crests-full", side = side, used = used, min = min, max = max, over = over_text))
    } else {
        unlikely(say!(voice, "shows-crests-within", side = side, used = used, min = min, max = max))
    }
}

pub(super) fn flank_angle(k: &JobEvidence) -> Evidence {
    let voice = k.voice();
    let (feels, room) = (k.flanks(), k.room());
    let says = say!(k.voice(), "shows-flanks", feels = voice.micro(feels), room = voice.micro(room));
    let told = k.job.bit.included_angle_deg.is_some() || k.run.is_some_and(|r| r.flank.is_some());
    if feels > room * DOUBTFUL_SHARE {
        shown(feels / room, says)
    } else if told {
        unlikely(says)
    } else {
        open(say!(k.voice(), "shows-angle-untold"))
    }
}

pub(super) fn lead_error(k: &JobEvidence) -> Evidence {
    let Some(hung) = &k.plan.gears.hung else { return shown(1.0, say!(k.voice(), "shows-no-train")) };
    let takes = k.plan.run.hidden_mm[0];
    if takes > k.room() * DOUBTFUL_SHARE { shown(takes / k.room(), hung.judged.clone()) } else { unlikely(hung.judged.clone()) }
}

pub(super) fn root_shallow(k: &JobEvidence) -> Evidence {
    let bit = &k.plan.bit;
    let told = bit.measured.then(|| say!(k.voice(), "shows-flat-most", flat = &bit.flat_mm.text, most = &bit.tip_flat_mm.max.text));
    by_watch(k, &[Code::TipTooWide], Level::Warn, told, say!(k.voice(), "shows-tip-unmeasured"))
}

pub(super) fn entrance(k: &JobEvidence) -> Evidence {
    let voice = k.voice();
    if let Some(text) = k.watch(&[Code::Chamfer], Level::Warn) {
        return shown(0.8, text);
    }
    match k.fit() {
        Some(Fit::Enters { turns }) if turns < 1.0 && k.reads_good(voice) => shown(0.7, say!(k.voice(), "shows-first-holds", turns = plain_text(turns, 1))),
        _ => match k.overran().filter(|_| k.does_not_go()) {
            Some(past) => shown(0.6, say!(voice, "shows-overran-edge", past = voice.length(past))),
            None => open(say!(k.voice(), "shows-chamfer-wanted", to = &k.plan.blank.chamfer_mm.text)),
        },
    }
}

pub(super) fn wrong_hand(k: &JobEvidence) -> Evidence {
    let (cut, asked) = (k.plan.setup.hand_cut.word(), k.plan.thread.hand.word());
    if cut == asked {
        unlikely(say!(k.voice(), "shows-hand-right", cut = &cut))
    } else {
        shown(3.0, say!(k.voice(), "shows-hand-wrong", cut = &cut, asked = &asked))
    }
}

pub(super) fn other_mate(k: &JobEvidence) -> Evidence {
    let voice = k.voice();
    let thread = &k.plan.thread;
    let limits = if k.screw() { &thread.internal.pitch_mm } else { &thread.external.pitch_mm };
    let (Some(low), Some(high)) = (limits.min.as_ref().map(|q| q.value), limits.max.as_ref().map(|q| q.value)) else {
        return open(say!(k.voice(), "shows-mate-unmeasured"));
    };
    let made = k.job.mate.as_ref().and_then(|m| m.made_mm);
    let felt = k.run.and_then(|r| r.tip.as_ref()).and_then(|t| t.mate_mm);
    let out = |mm: f64, doubt: f64| (low - mm).max(mm - high) - doubt;
    match (made, felt) {
        (Some(made), _) if out(made, 0.0) > 0.0 => {
            shown(0.9, say!(k.voice(), "shows-mate-out", size = voice.length(made), low = voice.length(low), high = voice.length(high)))
        }
        (None, Some(felt)) if out(felt, 0.03) > 0.0 => {
            shown(0.8, say!(k.voice(), "shows-mate-felt-out", size = voice.length(felt), low = voice.length(low), high = voice.length(high)))
        }
        (Some(made), _) => unlikely(say!(k.voice(), "shows-mate-within", size = voice.length(made))),
        (None, Some(felt)) => unlikely(say!(k.voice(), "shows-mate-felt-within", size = voice.length(felt))),
        (None, None) => open(say!(k.voice(), "shows-mate-unmeasured")),
    }
}

pub(super) fn past_limit(k: &JobEvidence) -> Evidence {
    let voice = k.voice();
    let run = &k.plan.run;
    let Some((size, doubt)) = k.size(voice) else { return open(say!(k.voice(), "shows-not-read")) };
    let past = run.cut_sign() * (run.far_limit() - size);
    if past > doubt {
        shown(1.0 + past / k.room(), say!(k.voice(), "shows-past", past = voice.length(past)))
    } else {
        unlikely(say!(k.voice(), "shows-not-past"))
    }
}

pub(super) fn off_centre(k: &JobEvidence) -> Evidence {
    let voice = k.voice();
    let Some(height) = k.job.bit.height_mm else { return open(say!(k.voice(), "shows-height-untold")) };
    let most = OFF_CENTRE * k.plan.blank.used_mm.value;
    let says = say!(voice, "shows-height", by = voice.length(height.abs()), way = if height > 0.0 { "above" } else { "below" });
    if height.abs() > most { shown(height.abs() / most / 2.0, says) } else { unlikely(says) }
}

pub(super) fn rubs(k: &JobEvidence) -> Evidence {
    by_check(k, "tool_clears", say!(k.voice(), "shows-sides-untold"))
}

pub(super) fn dull(k: &JobEvidence) -> Evidence {
    match k.plan.bit.drawer.tools.iter().find(|t| t.picked) {
        Some(tool) if !tool.serves => shown(1.0, say!(k.voice(), "shows-picked", tool = &tool.name, says = tool.says.join(" "))),
        Some(tool) => open(say!(k.voice(), "shows-was-sharp", tool = &tool.name)),
        None => by_watch(k, &[Code::ToolGone], Level::Warn, None, say!(k.voice(), "shows-sharp-untold")),
    }
}

pub(super) fn too_fast(k: &JobEvidence) -> Evidence {
    let setup = &k.plan.setup;
    let Some([speed, limit]) = setup.speed_and_limit() else { return unlikely(setup.speed_limit.says(k.voice())) };
    let (says_speed, says_limit) = (setup.speed_text(), setup.limit_says(k.voice()));
    let says = say!(k.voice(), "shows-speed", speed = says_speed, what = setup.speed_limit.says(k.plan.voice), limit = says_limit);
    if speed > limit * 1.001 { shown(speed / limit - 0.2, says) } else { unlikely(says) }
}

/// Whether the compound of this lathe could feed down the flank instead.
fn swings(k: &JobEvidence) -> bool {
    if !k.lathe.compound_feeds {
        return false;
    }
    let [low, high] = k.lathe.compound.swing_deg;
    let flank = k.plan.thread.flanks().trailing;
    flank > 0.0 && ((low..=high).contains(&flank) || (low..=high).contains(&-flank))
}

pub(super) fn both_flanks(k: &JobEvidence) -> Evidence {
    let voice = k.voice();
    let pitch = k.plan.thread.pitch_mm.value;
    let straight_in = k.plan.cut.style == Style::Radial;
    if straight_in && pitch >= COARSE_MM && swings(k) {
        shown(0.6, say!(k.voice(), "shows-straight-in-coarse", pitch = voice.length(pitch)))
    } else if straight_in {
        open(say!(k.voice(), "shows-straight-in"))
    } else {
        unlikely(say!(k.voice(), "shows-not-straight-in"))
    }
}

pub(super) fn slender(k: &JobEvidence) -> Evidence {
    let told = k.plan.blank.slenderness.as_ref().map(|s| s.says.clone());
    by_watch(k, &[Code::Stickout, Code::BarUnfit], Level::Warn, told, say!(k.voice(), "shows-bar-out-untold"))
}

fn tapers(k: &JobEvidence) -> Option<f64> {
    k.run?.verdict.as_ref()?.shape.as_ref()?.taper_mm
}

/// A taper read that takes more than a third of the room.
fn shown_taper(k: &JobEvidence, taper: f64, end: &'static str) -> Option<Evidence> {
    let voice = k.voice();
    let way = if taper > 0.0 { "larger" } else { "smaller" };
    (taper.abs() > k.room() * DOUBTFUL_SHARE)
        .then(|| shown(taper.abs() / k.room(), say!(voice, "shows-taper", by = voice.length(taper.abs()), way = way, end = end)))
}

pub(super) fn tailstock(k: &JobEvidence) -> Evidence {
    let support = k.plan.blank.slenderness.as_ref().map_or(Support::None, |s| s.support);
    if let Some(text) = k.watch(&[Code::Taper], Level::Warn) {
        return shown(1.2, text);
    }
    if support == Support::None {
        return unlikely(say!(k.voice(), "shows-no-center"));
    }
    let otherwise =
        || if k.plan.blank.parallel.is_some() { unlikely(say!(k.voice(), "shows-parallel-nothing")) } else { open(say!(k.voice(), "shows-no-parallel")) };
    tapers(k).and_then(|t| shown_taper(k, t, "held")).unwrap_or_else(otherwise)
}

pub(super) fn bends(k: &JobEvidence) -> Evidence {
    let support = k.plan.blank.slenderness.as_ref().map_or(Support::Steady, |s| s.support);
    match (support, tapers(k)) {
        (Support::None, Some(t)) => shown_taper(k, t, "free").unwrap_or_else(|| unlikely(say!(k.voice(), "shows-is-parallel"))),
        (Support::None, None) => open(say!(k.voice(), "shows-free-end")),
        (Support::Centre, _) => unlikely(say!(k.voice(), "shows-center-holds")),
        (Support::Steady, _) => unlikely(if k.screw() { say!(k.voice(), "shows-steady") } else { say!(k.voice(), "shows-no-free-end") }),
    }
}

pub(super) fn spring(k: &JobEvidence) -> Evidence {
    match k.run.and_then(|r| r.tip.as_ref()) {
        Some(t) if t.readings >= 2 && t.spring > SPRINGS_MUCH => {
            shown(t.spring, say!(k.voice(), "shows-springs-much", n = &t.readings, share = plain_text(100.0 * t.spring, 0)))
        }
        Some(t) if t.readings >= 2 => unlikely(say!(k.voice(), "shows-springs", n = &t.readings, share = plain_text(100.0 * t.spring, 0))),
        _ => open(say!(k.voice(), "shows-two-readings")),
    }
}

pub(super) fn wrong_mark(k: &JobEvidence) -> Evidence {
    if k.did(|a| matches!(a, ActKind::Lost {})) {
        return shown(1.5, say!(k.voice(), "shows-nut-opened"));
    }
    if let Some(text) = k.watch(&[Code::DialUnsafe], Level::Warn) {
        return shown(1.4, text);
    }
    match (k.plan.setup.ending, k.plan.gears.dial.rule) {
        (_, DialRule::AnyPosition) => unlikely(say!(k.voice(), "shows-any-position")),
        (Ending::Dial | Ending::SameMark | Ending::ChalkMarks, _) => open(k.plan.gears.dial.says.clone()),
        _ => unlikely(say!(k.voice(), "shows-nut-stays")),
    }
}

pub(super) fn dial_drift(k: &JobEvidence) -> Evidence {
    by_watch(k, &[Code::DialDrift], Level::Warn, Some(k.plan.gears.hung.as_ref().map_or_else(String::new, |h| h.train.error_text.clone())), String::new())
}

pub(super) fn play(k: &JobEvidence) -> Evidence {
    let voice = k.voice();
    let pitch = k.plan.thread.pitch_mm.value;
    match k.job.setup.backlash_mm {
        Some(b) if b > 2.0 * pitch => shown(0.5 + b / pitch / 10.0, say!(k.voice(), "shows-play-much", play = voice.length(b))),
        Some(b) => unlikely(say!(k.voice(), "shows-play", play = voice.length(b), run_up = &k.plan.setup.run_up_mm.text)),
        None => open(say!(k.voice(), "shows-play-untold")),
    }
}

pub(super) fn starts(k: &JobEvidence) -> Evidence {
    let count = k.plan.thread.starts;
    if count < 2 {
        return unlikely(say!(k.voice(), "shows-one-start"));
    }
    if k.plan.cut.starts.iter().any(|w| w.serves) {
        open(say!(k.voice(), "shows-starts", count = &count))
    } else {
        shown(0.9, say!(k.voice(), "shows-starts-no-way", count = &count))
    }
}

pub(super) fn rechucked(k: &JobEvidence) -> Evidence {
    if k.did(|a| matches!(a, ActKind::Rechucked { .. })) {
        return shown(1.0, say!(k.voice(), "shows-rechucked"));
    }
    match (k.job.blank.rechucked, &k.plan.blank.run_out) {
        (true, Some(r)) => shown(0.9, r.does.clone()),
        (true, None) => open(say!(k.voice(), "shows-rechucked-unread")),
        _ => unlikely(say!(k.voice(), "shows-not-rechucked")),
    }
}

pub(super) fn gears_on(k: &JobEvidence) -> Evidence {
    by_check(k, "gears_on", say!(k.voice(), "shows-no-train-told"))
}

pub(super) fn misfit(k: &JobEvidence) -> Evidence {
    let voice = k.voice();
    let lead = k.plan.thread.lead_mm.value;
    match k.noted("pitch") {
        Some(measured) if measured > 0.0 && (measured / lead - 1.0).abs() > 0.01 => {
            let (says, mistakes) = k.plan.gears.misfit(k.lathe, k.plan.thread.starts, measured, voice);
            shown(1.5 + 0.1 * f64::from(u8::from(!mistakes.is_empty())), says)
        }
        Some(measured) if measured > 0.0 => unlikely(say!(k.voice(), "shows-scratch-right", size = voice.length(measured))),
        _ => {
            let screw = crate::quantity::real(&k.lathe.leadscrew);
            open(say!(k.voice(), "shows-changed-about", lead = voice.length(screw * screw / lead)))
        }
    }
}

pub(super) fn first_thread(k: &JobEvidence) -> Evidence {
    let voice = k.voice();
    match k.fit() {
        Some(Fit::Enters { turns }) if turns <= 2.0 && k.reads_good(voice) => shown(0.6, say!(k.voice(), "shows-stops-after", turns = plain_text(turns, 1))),
        _ => open(say!(k.voice(), "shows-look-first")),
    }
}

pub(super) fn round(k: &JobEvidence) -> Evidence {
    let voice = k.voice();
    match k.run.and_then(|r| r.verdict.as_ref()).and_then(|v| v.shape.as_ref()).and_then(|s| s.out_of_round_mm) {
        Some(r) if r > k.room() * DOUBTFUL_SHARE => shown(r / k.room(), say!(k.voice(), "shows-out-of-round", by = voice.length(r))),
        Some(_) => unlikely(say!(k.voice(), "shows-round")),
        None => open(say!(k.voice(), "shows-one-place")),
    }
}

pub(super) fn stops_late(k: &JobEvidence) -> Evidence {
    let voice = k.voice();
    let most = k.run.map_or(0.0, |r| r.overran_mm.iter().copied().fold(0.0, f64::max));
    if most > 0.0 {
        return shown(1.5, say!(k.voice(), "shows-overran", by = voice.about(most)));
    }
    by_check(k, "speed", say!(k.voice(), "shows-by-hand"))
}

pub(super) fn relief(k: &JobEvidence) -> Evidence {
    match (by_check(k, "relief_depth", String::new()), by_check(k, "relief_width", String::new())) {
        (a, _) if a.standing == EvidenceState::Shown => a,
        (_, b) if b.standing == EvidenceState::Shown => b,
        (a, b) if a.why.is_empty() && b.why.is_empty() => unlikely(say!(k.voice(), "shows-no-relief")),
        (a, b) => Evidence { standing: a.standing.min(b.standing), weight: 0.0, why: [a.why, b.why].join(" ").trim().to_owned() },
    }
}

pub(super) fn grip(k: &JobEvidence) -> Evidence {
    match k.watch(&[Code::Holding], Level::Warn) {
        Some(text) => shown(1.0, text),
        None => open(say!(k.voice(), "shows-jaws")),
    }
}

pub(super) fn unscrews(k: &JobEvidence) -> Evidence {
    if k.lathe.chuck != Chuck::Screwed {
        return unlikely(say!(k.voice(), "shows-chuck-not-screwed"));
    }
    match k.watch(&[Code::ChuckUnscrews], Level::Danger) {
        Some(text) => shown(2.0, text),
        None => open(say!(k.voice(), "shows-chuck-screws")),
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
    let says =
        say!(k.voice(), "shows-takes", n = &deepest.0, takes = voice.length(deepest.1), most = voice.length(most), material = &k.job.blank.material.name);
    if deepest.1 > 1.25 * most { shown(deepest.1 / most, says) } else { unlikely(says) }
}

pub(super) fn reversed(k: &JobEvidence) -> Evidence {
    let keeps = matches!(k.plan.setup.ending, Ending::Closed | Ending::SameMark);
    let brittle = k.job.bit.material.is_some_and(|m| m.code.contains("carbide"));
    match (keeps, brittle) {
        (true, true) => shown(1.0, say!(k.voice(), "shows-carbide-back")),
        (true, false) => open(say!(k.voice(), "shows-reverses")),
        (false, _) => unlikely(say!(k.voice(), "shows-reverses-not")),
    }
}

pub(super) fn weak_tip(k: &JobEvidence) -> Evidence {
    let bit = &k.plan.bit;
    if !bit.measured {
        return open(say!(k.voice(), "shows-tip-unmeasured"));
    }
    let says = say!(k.voice(), "shows-flat-allowed", flat = &bit.flat_mm.text, min = &bit.tip_flat_mm.min.text, max = &bit.tip_flat_mm.max.text);
    if bit.flat_mm.value < bit.tip_flat_mm.min.value - 1e-9 {
        shown(1.0 - bit.flat_mm.value / bit.tip_flat_mm.min.value.max(1e-6), says)
    } else {
        unlikely(says)
    }
}

pub(super) fn broke(k: &JobEvidence) -> Evidence {
    let broke = k.did(|a| matches!(a, ActKind::BitChanged { why: crate::log::BitChange::Broke, .. }));
    if broke { shown(2.0, say!(k.voice(), "shows-bit-broke")) } else { open(say!(k.voice(), "shows-piece-left")) }
}

pub(super) fn opened(k: &JobEvidence) -> Evidence {
    match (k.did(|a| matches!(a, ActKind::Lost {})), k.plan.run.opening_loses) {
        (true, _) => shown(1.5, say!(k.voice(), "shows-opened")),
        (false, true) => open(k.plan.gears.dial.says.clone()),
        (false, false) => unlikely(say!(k.voice(), "shows-nothing-lost", says = &k.plan.gears.dial.says)),
    }
}

pub(super) fn lean(k: &JobEvidence) -> Evidence {
    let cut = &k.plan.cut;
    let told = if cut.style.slants() { cut.scale.clone() } else { say!(k.voice(), "shows-compound-idle") };
    by_watch(k, &[Code::CompoundAngle], Level::Warn, Some(told), String::new())
}

pub(super) fn wrong_wires(k: &JobEvidence) -> Evidence {
    let voice = k.voice();
    match (k.size_asked(), k.plan.run.wires) {
        (Some(asked), _) => shown(1.0, asked),
        (None, Some(w)) => open(say!(k.voice(), "shows-wires", size = voice.length(w.wire_mm))),
        (None, None) => unlikely(say!(k.voice(), "shows-no-wires")),
    }
}

pub(super) fn no_proof(k: &JobEvidence) -> Evidence {
    match k.plan.proof.by {
        None => shown(0.9, say!(k.voice(), "shows-no-proof")),
        Some(_) => {
            unlikely(k.plan.proof.ways.iter().find(|w| w.chosen).map_or_else(String::new, |w| say!(k.voice(), "shows-proof", by = &w.says, why = &w.why)))
        }
    }
}

pub(super) fn packed(k: &JobEvidence) -> Evidence {
    let voice = k.voice();
    if k.screw() || !k.job.blank.shoulder {
        return unlikely(say!(k.voice(), "shows-not-blind"));
    }
    match k.fit() {
        Some(Fit::Enters { turns }) if turns * k.plan.thread.lead_mm.value > 0.6 * k.plan.thread.length_mm.value => {
            shown(0.7, say!(k.voice(), "shows-stops-near", far = voice.length(turns * k.plan.thread.lead_mm.value)))
        }
        _ => open(say!(k.voice(), "shows-blind")),
    }
}
