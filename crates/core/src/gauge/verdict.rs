//! The verdict: in limits, take this much more, or past it.

use super::estimate::{Estimate, Observation};
use super::past::still_to_do;
use super::reading::{GaugeResult, Measured, Read, ReadShape};
use crate::cut::DialSetting;
use crate::run::{RunPlan, Symptom};
use crate::say;
use crate::thread::Fit;
use crate::voice::Voice;
use serde::{Deserialize, Serialize};

/// What a reading says.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum VerdictKind {
    /// In limits, with room for the doubt.
    InLimits,
    /// More must come off.
    TakeMore,
    /// Screw too small or bore too large.
    PastLimit,
    /// Within the doubt of a limit, or a reading that cannot be right.
    Unsure,
}

/// A pitch diameter and its doubt, mm.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct PitchDiameter {
    /// Size.
    pub value: f64,
    /// Doubt either way.
    pub doubt: f64,
}

/// The next cut.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Next {
    /// Radial depth to set, from touch.
    pub radial_mm: f64,
    /// Slide travel to set; 0 when the cross-slide carries the depth.
    pub compound_mm: f64,
    /// How much of that is new, radial.
    pub more_radial_mm: f64,
    /// The setting.
    pub dial: Vec<DialSetting>,
    /// Cuts it is split into, this one the first; absent where it is one.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub cuts: Option<u32>,
    /// Radial depth of the last of them.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub last_radial_mm: Option<f64>,
}

impl Next {
    /// Where all its cuts end, mm radial.
    #[must_use]
    pub fn last(&self) -> f64 {
        self.last_radial_mm.unwrap_or(self.radial_mm)
    }

    /// In how many cuts, and the first's setting in words: none where there is nothing the dial can set.
    fn asked(next: Option<&Self>) -> (u32, &str) {
        next.map_or((0, ""), |n| (n.cuts.unwrap_or(1), n.dial.first().map_or("", |d| d.text.as_str())))
    }
}

/// A reading judged.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Verdict {
    /// What it says.
    pub verdict: VerdictKind,
    /// The size and its doubt.
    pub pitch_diameter_mm: PitchDiameter,
    /// The next cut, when there is one.
    pub next: Option<Next>,
    /// In words: what to do, then why.
    pub says: String,
    /// What to make sure of before trusting it.
    pub questions: Vec<String>,
    /// What to look for instead of cutting on: by where the dial stands no lawful mate could go so. The run ends in it.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub trouble: Option<Symptom>,
    /// What can still be done, past the limit.
    #[serde(skip_serializing_if = "Vec::is_empty")]
    pub options: Vec<String>,
    /// The shape, where several places were read.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub shape: Option<ReadShape>,
}

impl Verdict {
    /// A verdict that asks for no cut and nothing else.
    pub(crate) const fn new(verdict: VerdictKind, pitch_diameter_mm: PitchDiameter, says: String) -> Self {
        Self { verdict, pitch_diameter_mm, next: None, says, questions: Vec::new(), trouble: None, options: Vec::new(), shape: None }
    }
}

/// A size judged, with the dial set so pass after pass, knowing what earlier readings have found.
#[must_use]
pub fn judge_knowing(run: &RunPlan, reading: &Measured, sets: &[f64], known: Option<&Estimate>, voice: Voice) -> Option<Verdict> {
    judge_read(run, reading, reading.read(run, voice), sets, Believed { known, again: false }, voice)
}

/// What is believed before a reading is judged.
#[derive(Debug, Clone, Copy)]
pub(crate) struct Believed<'a> {
    /// What the readings before have found.
    pub known: Option<&'a Estimate>,
    /// Whether it was questioned before and is told the same again: then it counts.
    pub again: bool,
}

/// The same of a reading worked already; nothing is read of a plug.
pub(crate) fn judge_read(
    run: &RunPlan,
    reading: &Measured,
    read: Option<Read>,
    sets: &[f64],
    Believed { known, again }: Believed<'_>,
    voice: Voice,
) -> Option<Verdict> {
    let seen = reading.seen(run, read.as_ref())?;
    if let Some(plug) = reading.plug {
        return Some(by_plug(run, plug, &seen, sets, known, voice));
    }
    let read = read?;
    let doubt = if read.by_root { read.doubt.hypot(2.0 * run.tip_doubt_mm) } else { read.doubt };
    let pitch_diameter_mm = PitchDiameter { value: read.size, doubt };
    let unsure = |questions: Vec<String>, says: String, shape| Verdict { questions, shape, ..Verdict::new(VerdictKind::Unsure, pitch_diameter_mm, says) };
    if reading.on_the_crest(run) {
        let says = say!(voice, "verdict-bare-crest", size = voice.length(read.typed));
        return Some(unsure(vec![say!(voice, "ask-wires-stand")], says, None));
    }
    let questions = if again { Vec::new() } else { questioned(run, reading, &read, (sets, doubt), known, voice) };
    if !questions.is_empty() {
        return Some(unsure(questions, say!(voice, "verdict-disagrees"), read.shape));
    }
    let after = taking_in(run, sets, known, &seen);
    let placed = Placed::of(run, &read, sets, after.as_ref(), doubt, voice);
    Some(Verdict { shape: read.shape.clone(), ..placed.judged(&read) })
}

/// What is asked of a reading that does not agree with where the dial stands, or with the readings before it.
fn questioned(run: &RunPlan, reading: &Measured, read: &Read, (sets, doubt): (&[f64], f64), known: Option<&Estimate>, voice: Voice) -> Vec<String> {
    let (size, typed, turn) = (read.size, read.typed, run.cut_sign());
    let Some(seen) = reading.seen(run, Some(read)) else { return Vec::new() };
    let stood_mm = sets.last().copied().unwrap_or(0.0);
    let read_before = known.filter(|k| k.found(run, voice).is_some());
    let expected = read_before.map_or(run.size_at(stood_mm - run.tip_to_pitch_mm), |k| k.size(run, sets).0);
    let by = reading.look_again();
    let mut list = questions(run, [size, typed, expected], if read_before.is_some() { 0.0 } else { run.tip_doubt_mm }, by, voice);
    if let Some(known) = known {
        // Another wire taken for this one is thought of first.
        let (by_known, sd) = known.size(run, sets);
        let other = reading.wire_that_explains(run, by_known, doubt + 2.0 * sd).filter(|_| known.chance(run, sets, &seen) < UNLIKELY_WIRE);
        if let Some(wire) = other {
            list = vec![say!(voice, "ask-other-wire", wire = voice.length(wire), size = voice.length(by_known))];
        } else if list.is_empty()
            && let Some(text) = no_such_tip(run, sets, known, &seen, voice)
        {
            list.push(text);
        }
    }
    if list.is_empty() && read_before.is_some_and(|k| (size - expected).abs() > unlike_mm(sets) && k.chance(run, sets, &seen) < UNLIKELY) {
        let expected_text = voice.length(expected + (typed - size));
        list.push(if turn * (size - expected) > 0.0 {
            say!(voice, "ask-large-for-readings", expected = expected_text, by = by)
        } else {
            say!(voice, "ask-small-for-readings", expected = expected_text, by = by)
        });
    }
    list
}

/// A reading placed between the limits, turned so that cutting always makes the figure smaller: a bore's size is negated.
struct Placed<'a> {
    run: &'a RunPlan,
    after: Option<&'a Estimate>,
    sets: &'a [f64],
    voice: Voice,
    size: f64,
    doubt: f64,
    stood_mm: f64,
    /// The limits; the near one as the mate leaves it.
    low: f64,
    near: f64,
    /// Its thinnest place and its fullest.
    thin: f64,
    full: f64,
    /// The place read.
    u: f64,
    aim: f64,
    /// What of its shape, and of the room the lead takes, stands at the end of what is said.
    whole: String,
    taken: String,
}

impl<'a> Placed<'a> {
    fn of(run: &'a RunPlan, read: &Read, sets: &'a [f64], after: Option<&'a Estimate>, doubt: f64, voice: Voice) -> Self {
        let turn = run.cut_sign();
        let turned = |a: f64, b: f64| if turn > 0.0 { (a, b) } else { (-b, -a) };
        let u = turn * read.size;
        let (low, high) = turned(run.limits_mm[0], run.limits_mm[1]);
        let (thin, full) = read.shape.as_ref().map_or((u, u), |s| turned(s.least_mm, s.most_mm));
        // What a mate feels and no wire does is room already taken; where that leaves none, the limit itself stands.
        let hidden = run.hidden();
        let near = if high - hidden >= low + doubt { high - hidden } else { high };
        // Where the size could be proven: clear of both limits by the doubt, or in the middle where there is no such place.
        let provable = near - doubt >= low + doubt;
        let aim = if provable { (turn * run.target_mm).clamp(low + doubt, near - doubt) } else { (turn * run.target_mm).max(low + doubt).min(near) };
        let whole = read.shape.as_ref().map_or_else(String::new, |shape| format!(" {}", shape.says));
        let room = voice.length(hidden.abs());
        let taken = match hidden {
            h if h < 5e-4 => String::new(),
            _ if near < high => format!(" {}", say!(voice, "verdict-lead-takes", room = room)),
            _ => format!(" {}", say!(voice, "verdict-lead-takes-all", room = room)),
        };
        let stood_mm = sets.last().copied().unwrap_or(0.0);
        Self { run, after, sets, voice, size: read.size, doubt, stood_mm, low, near, thin, full, u, aim, whole, taken }
    }

    fn room(&self, mm: f64) -> String {
        self.voice.length(mm.abs())
    }

    fn verdict(&self, kind: VerdictKind, says: String) -> Verdict {
        Verdict::new(kind, PitchDiameter { value: self.size, doubt: self.doubt }, says)
    }

    /// The limit, where the place read would stand when its thinnest stands on it.
    fn limit(&self) -> f64 {
        self.low + (self.u - self.thin)
    }

    /// As deep as the aim asks, and never so that the reading itself would come past the limit.
    fn deeper(&self) -> f64 {
        let (turn, stood_mm) = (self.run.cut_sign(), self.stood_mm);
        let deepest = stood_mm + (self.thin - self.low - self.doubt) / 2.0;
        self.after.map_or(stood_mm + (self.u - self.aim) / 2.0, |e| e.toward_size(self.run, self.sets, turn * self.aim, turn * self.limit())).min(deepest)
    }

    /// What still can be done, past the limit or on it.
    fn still(&self) -> Vec<String> {
        still_to_do(self.run, self.run.cut_sign() * self.thin, self.voice)
    }

    fn judged(&self, read: &Read) -> Verdict {
        let Self { low, near, thin, full, doubt, voice, whole, .. } = self;
        let (low, near, thin, full, doubt) = (*low, *near, *thin, *full, *doubt);
        let eps = 1e-9;
        if read.times >= SETTLED_AFTER && (thin - low).abs() < doubt {
            let says = say!(*voice, "verdict-on-the-limit", readings = read.times, doubt = voice.fine(doubt));
            Verdict { trouble: Some(Symptom::NothingMeasures), options: self.still(), ..self.verdict(VerdictKind::Unsure, says) }
        } else if thin < low - doubt - eps {
            let says = say!(*voice, "verdict-past", by = self.room(low - thin)) + whole;
            Verdict { options: self.still(), ..self.verdict(VerdictKind::PastLimit, says) }
        } else if full > near + eps && thin - (full - near) < low + doubt - eps && read.shape.is_some() {
            let uneven = say!(*voice, "verdict-uneven", thick = self.room(full - near), thin = self.room((thin - low).max(0.0)));
            let says = format!("{uneven}{whole} {}", say!(*voice, "verdict-uneven-mend"));
            self.verdict(VerdictKind::Unsure, says)
        } else if full > near + doubt + eps {
            self.take_more()
        } else if thin < low + doubt - eps && full > near - doubt + eps {
            let says = say!(*voice, "verdict-proves-nothing", doubt = voice.length(doubt)) + whole;
            self.verdict(VerdictKind::Unsure, says)
        } else if full > near - doubt + eps {
            self.within_doubt()
        } else if thin < low + doubt - eps {
            let says = say!(*voice, "verdict-at-limit", doubt = voice.length(doubt)) + whole;
            self.verdict(VerdictKind::Unsure, says)
        } else {
            let says = say!(*voice, "verdict-in-limits", side = self.run.side.word(), room = self.room(thin - low));
            self.verdict(VerdictKind::InLimits, says + whole + &self.taken)
        }
    }

    /// What springs away is asked for again, but never so that the reading itself would come past the limit.
    fn take_more(&self) -> Verdict {
        let Self { voice, whole, taken, .. } = self;
        let next = next_cut(self.run, self.stood_mm, self.deeper());
        let limit = self.run.cut_sign() * self.limit();
        let says = match &next {
            None => say!(*voice, "verdict-half-a-division", by = self.room(self.full - self.near)) + whole,
            Some(n) => {
                let sure = self.after.map_or_else(String::new, |e| format!(" {}", e.sure(self.run, self.sets, n.last(), limit, *voice)));
                self.take(n, "verdict-take") + &sure + whole + taken
            }
        };
        Verdict { next, ..self.verdict(VerdictKind::TakeMore, says) }
    }

    /// The cut that is next, in one or as the first of several: by the sentence's name.
    fn take(&self, next: &Next, id: &str) -> String {
        let (cuts, setting) = Next::asked(Some(next));
        say!(self.voice, id, more = self.voice.length(2.0 * (next.last() - self.stood_mm)), cuts = cuts, setting = setting)
    }

    /// On the safe side: a small cut settles it as well as a closer reading.
    fn within_doubt(&self) -> Verdict {
        let Self { voice, whole, taken, doubt, stood_mm, .. } = self;
        // At least what the dial can set, where that keeps clear of the other limit too, whatever springs off with it.
        let clear = |step: f64| {
            let limit = self.run.cut_sign() * self.limit();
            self.thin - 2.0 * step >= self.low + doubt && self.after.is_none_or(|e| e.stays_short(self.run, self.sets, stood_mm + step, limit))
        };
        let division = self.run.dial.division_radial_mm();
        let least = [division, division / 2.0].into_iter().find(|step| clear(*step)).map_or(*stood_mm, |step| stood_mm + step);
        let next = next_cut(self.run, *stood_mm, self.deeper().max(least));
        let cut = next.as_ref().map_or_else(String::new, |n| format!(" {}", self.take(n, "verdict-or-take")));
        let says = say!(*voice, "verdict-within-doubt", side = self.run.side.word(), doubt = voice.length(*doubt)) + &cut + whole + taken;
        Verdict { next, ..self.verdict(VerdictKind::Unsure, says) }
    }
}

/// What to ask where a reading would have the tip be one that the form has not.
fn no_such_tip(run: &RunPlan, sets: &[f64], known: &Estimate, seen: &Observation, voice: Voice) -> Option<String> {
    let (Observation::Size { .. }, Some(tip)) = (seen, run.tip) else { return None };
    let mut after = known.clone();
    after.see(run, sets, seen);
    let found = after.found(run, voice)?;
    let outside = (found.flat_mm - found.doubt_mm - tip.wide_mm).max(tip.narrow_mm - found.flat_mm - found.doubt_mm);
    let much = if tip.wide_mm - tip.narrow_mm > 1e-6 { NO_SUCH_TIP_MM } else { MISMEASURED_MM };
    (outside > much).then(|| {
        let [narrow, wide] = [tip.narrow_mm, tip.wide_mm].map(|f| voice.coarse(f));
        let flat = voice.coarse(found.flat_mm);
        if narrow == wide {
            say!(voice, "ask-no-such-tip", flat = flat, told = wide)
        } else {
            say!(voice, "ask-no-such-tip-between", flat = flat, range = voice.coarsely_between(tip.narrow_mm, tip.wide_mm))
        }
    })
}

/// What is believed once this is taken in too.
fn taking_in(run: &RunPlan, sets: &[f64], known: Option<&Estimate>, seen: &Observation) -> Option<Estimate> {
    let mut after = known.cloned().or_else(|| Estimate::before(run))?;
    after.see(run, sets, seen);
    Some(after)
}

/// A plug in a bore, or a ring on a screw: between two sizes at best.
fn by_plug(run: &RunPlan, plug: GaugeResult, seen: &Observation, sets: &[f64], known: Option<&Estimate>, voice: Voice) -> Verdict {
    let stood_mm = sets.last().copied().unwrap_or(0.0);
    let after = taking_in(run, sets, known, seen);
    let (value, sd) = after.as_ref().map_or((run.size_at(stood_mm - run.tip_to_pitch_mm), run.tip_doubt_mm), |e| e.size(run, sets));
    let size = PitchDiameter { value, doubt: 2.0 * sd };
    match plug {
        GaugeResult::GoGoes => Verdict::new(VerdictKind::InLimits, size, say!(voice, "verdict-go-goes")),
        GaugeResult::NotGoGoes => {
            Verdict { options: still_to_do(run, run.far_limit(), voice), ..Verdict::new(VerdictKind::PastLimit, size, say!(voice, "verdict-not-go-goes")) }
        }
        GaugeResult::GoStops => {
            // At least what the dial can set: the gauge says that it is not there yet.
            let by_tip = stood_mm + run.dial.division_radial_mm() / 2.0;
            let to = after.as_ref().map_or(by_tip, |e| e.toward_size(run, sets, run.target_mm, run.far_limit()).max(by_tip));
            let next = next_cut(run, stood_mm, to);
            let (cuts, setting) = Next::asked(next.as_ref());
            let says = say!(voice, "verdict-go-stops", cuts = cuts, setting = setting);
            Verdict { next, ..Verdict::new(VerdictKind::TakeMore, size, says) }
        }
    }
}

/// How the mate went, judged likewise. It says nothing of the limits, only of this pair. What was questioned once and is told the same
/// again (`again`) is taken for true.
#[must_use]
pub fn judge_fit_knowing(run: &RunPlan, fit: Fit, sets: &[f64], known: Option<&Estimate>, again: bool, voice: Voice) -> Verdict {
    let stood_mm = sets.last().copied().unwrap_or(0.0);
    let Some(known) = known else { return by_width(run, fit, stood_mm, voice) };
    let seen = Observation::Fit(fit);
    let mut after = known.clone();
    after.see(run, sets, &seen);
    let (value, sd) = after.size(run, sets);
    let pitch_diameter_mm = PitchDiameter { value, doubt: 2.0 * sd };
    if let Some((trouble, says)) = trouble_of_fit(run, fit, sets, known) {
        return Verdict { trouble: Some(trouble), ..Verdict::new(VerdictKind::Unsure, pitch_diameter_mm, say!(voice, says)) };
    }
    let question = if again { None } else { doubt_of_fit(run, fit, sets, known, voice) };
    if let Some(question) = question {
        return Verdict { questions: vec![question], ..Verdict::new(VerdictKind::Unsure, pitch_diameter_mm, say!(voice, "verdict-told-again")) };
    }
    let loosest = run.cut_sign() * (run.mate.map_or(run.near_limit(), |m| m.pitch_diameter_mm) - run.far_limit());
    let (verdict, says, next) = match fit {
        Fit::Free => (VerdictKind::InLimits, say!(voice, "verdict-free"), None),
        Fit::Shakes { shake_mm } if shake_mm <= loosest => (VerdictKind::InLimits, say!(voice, "verdict-loose-enough", room = voice.length(loosest)), None),
        Fit::Shakes { .. } => (VerdictKind::PastLimit, say!(voice, "verdict-too-loose", room = voice.length(loosest)), None),
        // It goes down, which says only that it is cut far enough.
        Fit::LaidOn { .. } if fit.goes() => (VerdictKind::Unsure, say!(voice, "verdict-sits-home"), None),
        Fit::WontEnter | Fit::Enters { .. } | Fit::Tight | Fit::LaidOn { .. } => {
            let next = next_cut(run, stood_mm, after.toward_fit(run, sets));
            (VerdictKind::TakeMore, so_it_went(fit, next.as_ref(), voice), next)
        }
    };
    let options = if verdict == VerdictKind::PastLimit { still_to_do(run, value, voice) } else { Vec::new() };
    Verdict { next, options, ..Verdict::new(verdict, pitch_diameter_mm, says) }
}

/// How a mate went that asks for another cut, and that cut.
fn so_it_went(fit: Fit, next: Option<&Next>, voice: Voice) -> String {
    let (went, off) = match fit {
        Fit::WontEnter => ("wont_enter", String::new()),
        Fit::Enters { .. } => ("enters", String::new()),
        Fit::LaidOn { off_mm } => ("laid_on", voice.about(off_mm)),
        Fit::Tight | Fit::Free | Fit::Shakes { .. } => ("tight", String::new()),
    };
    let (cuts, setting) = Next::asked(next);
    say!(voice, "verdict-fit", fit = went, cuts = cuts, setting = setting, off = off)
}

/// Where no mate its standard allows could go as this one did, by where the dial stands, the tip's, the spring's and the dial's doubt
/// allowed for: what to look for instead of cutting on.
fn trouble_of_fit(run: &RunPlan, fit: Fit, sets: &[f64], known: &Estimate) -> Option<(Symptom, &'static str)> {
    let [least, most] = run.mate_limits_mm?;
    // A size that was measured has the word over the dial.
    let (size, sd) = if known.measured() { known.size(run, sets) } else { Estimate::before(run)?.size(run, sets) };
    let turn = run.cut_sign();
    // Turned so that cutting always makes the figure smaller: the mate that goes soonest, and the one that goes last.
    let (first, last) = if turn > 0.0 { (most, least) } else { (-least, -most) };
    let (u, felt) = (turn * size, fit.clearance(run.tip.map_or(0.0, |t| t.pitch_mm)));
    match fit {
        Fit::WontEnter | Fit::Enters { .. } | Fit::Tight | Fit::LaidOn { .. } if !fit.goes() && u + 2.0 * sd < last - felt.most_mm => {
            let symptom = if fit == Fit::WontEnter { Symptom::WontStart } else { Symptom::Binds };
            Some((symptom, "verdict-trouble-tight"))
        }
        Fit::Free | Fit::Shakes { .. } if u - 2.0 * sd > first - felt.least_mm => Some((Symptom::Loose, "verdict-trouble-loose")),
        _ => None,
    }
}

/// What to ask of a fit that does not agree with what was told before, or with where the dial stands.
fn doubt_of_fit(run: &RunPlan, fit: Fit, sets: &[f64], known: &Estimate, voice: Voice) -> Option<String> {
    let loose = fit.goes();
    if known.found(run, voice).is_some() && known.chance(run, sets, &Observation::Fit(fit)) < UNLIKELY {
        return Some(if loose { say!(voice, "ask-looser") } else { say!(voice, "ask-tighter") });
    }
    // However wide the tip may be, the dial says that the thread is past its limit: then it is not metal on the flanks that stops the mate.
    let (by_dial, sd) = Estimate::before(run)?.size(run, sets);
    (!loose && run.cut_sign() * (by_dial - run.far_limit()) + 2.0 * sd < 0.0).then(|| say!(voice, "ask-past-by-dial"))
}

/// Where no estimate can be made: straight sides, which no depth moves, or a job begun before fits were read.
fn by_width(run: &RunPlan, fit: Fit, stood_mm: f64, voice: Voice) -> Verdict {
    let value = run.size_at(stood_mm - run.tip_to_pitch_mm);
    // Before the bottom is where the plan has it, what stands off on it is depth to come.
    let full = run.passes.iter().map(|p| p.radial_mm).fold(0.0, f64::max);
    if let Fit::LaidOn { off_mm } = fit
        && !fit.goes()
        && let Some(next) = next_cut(run, stood_mm, (stood_mm + off_mm).min(full))
    {
        let (size, says) = (PitchDiameter { value, doubt: run.tip_doubt_mm }, so_it_went(fit, Some(&next), voice));
        return Verdict { next: Some(next), ..Verdict::new(VerdictKind::TakeMore, size, says) };
    }
    let (verdict, says) = match fit {
        Fit::Free => (VerdictKind::InLimits, "verdict-free"),
        Fit::Shakes { .. } => (VerdictKind::Unsure, "verdict-mate-shakes"),
        Fit::LaidOn { .. } if fit.goes() => (VerdictKind::Unsure, "verdict-sits-home"),
        _ if run.tip.is_some() => (VerdictKind::Unsure, "verdict-straight-sides"),
        _ => (VerdictKind::Unsure, "verdict-before-fits"),
    };
    Verdict::new(verdict, PitchDiameter { value, doubt: run.tip_doubt_mm }, say!(voice, says))
}

/// A reading less likely than this, by what was told before, is questioned before it counts.
const UNLIKELY: f64 = 0.002;
/// Likewise where another wire owned explains it.
const UNLIKELY_WIRE: f64 = 0.02;
/// A flat so much outside what it may be, past the doubt, is no tip of this form, mm. House value.
const NO_SUCH_TIP_MM: f64 = 0.08;
/// Nor is one that was measured so far out as this, mm. House value.
const MISMEASURED_MM: f64 = 0.3;
/// Readings of one cut after which one still on the limit is settled no further.
const SETTLED_AFTER: usize = 6;
/// And only when it is off by more than any micrometer's own slip, mm.
const UNLIKE_MM: f64 = 0.03;
/// And by more than the last cut may have sprung away otherwise than was believed, as a share of it. House value: springing goes from
/// nothing to three tenths.
const SPRING_ROOM: f64 = 0.3;

/// How far a reading may honestly be from what was expected, mm on diameter.
fn unlike_mm(sets: &[f64]) -> f64 {
    let cut = if let [.., before, last] = sets { (last - before).max(0.0) } else { 0.0 };
    UNLIKE_MM.max(2.0 * cut * SPRING_ROOM)
}

/// The next cut, sized to the shallow side and split as the schedule would; `None` when it is less than the dial can set.
fn next_cut(run: &RunPlan, stood_mm: f64, to: f64) -> Option<Next> {
    let last = run.dial.shallow(to).radial_mm;
    if last <= stood_mm + 1e-6 {
        return None;
    }
    let steps = run.steps_to(run.between(stood_mm, last), stood_mm, last);
    let set = run.dial.shallow(steps.first().copied().unwrap_or(last));
    let split = steps.len() > 1;
    let compound = if run.dial.slide == crate::cut::SlideName::Compound { set.travel_mm } else { 0.0 };
    Some(Next {
        radial_mm: set.radial_mm,
        compound_mm: compound,
        more_radial_mm: set.radial_mm - stood_mm,
        dial: vec![set.setting],
        cuts: split.then(|| u32::try_from(steps.len()).unwrap_or(u32::MAX)),
        last_radial_mm: split.then_some(last),
    })
}

/// What a practised hand would ask of a reading that does not agree with the dial.
fn questions(run: &RunPlan, [size, typed, expected]: [f64; 3], reach_doubt: f64, by: &str, voice: Voice) -> Vec<String> {
    let expected_typed = expected + (typed - size);
    let off = size - expected;
    for (scale, asks) in [(25.4, "ask-inches"), (1.0 / 25.4, "ask-millimeters")] {
        let likely = typed * scale;
        if (likely - expected_typed).abs() < 0.05 * expected_typed && (typed - expected_typed).abs() > 0.5 * expected_typed.min(typed) {
            return vec![say!(voice, asks, expected = voice.length(expected_typed))];
        }
    }
    if off.abs() <= 0.3_f64.max(2.0 * reach_doubt) {
        return Vec::new();
    }
    let turn = 2.0 * run.dial.turn_radial_mm();
    let near = |mark: f64| (off.abs() - mark).abs() < 0.06;
    let mut asked = Vec::new();
    if near(turn) {
        asked.push(say!(voice, "ask-whole-turn"));
    }
    if near(0.5) {
        asked.push(say!(voice, "ask-half-millimeter"));
    }
    if near(0.635) {
        asked.push(say!(voice, "ask-25-thou"));
    }
    if asked.is_empty() {
        asked.push(say!(voice, "ask-expected", expected = voice.length(expected_typed), by = by));
    }
    asked
}
