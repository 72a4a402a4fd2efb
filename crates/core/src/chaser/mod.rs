//! A thread made by a die or a tap: its torque, its lead, its hole or its bevel, under power or by hand, and the steps it is made in. No
//! train, half-nut, bit or infeed is planned for it.

mod power;
pub mod rules;
mod steps;
mod twist;

pub use power::UnderPower;
pub use twist::Twist;

use crate::bit::Tip;
use crate::blank::size::Size;
use crate::blank::{BlankSection, ChaserEnd, bore};
use crate::direction::Hand;
use crate::faults::Assumption;
use crate::job::{Chuck, Holding, Job, Kit, Lathe, Support};
use crate::kit::ChaserKind;
use crate::making::{Maker, TapLead};
use crate::run::RunStage;
use crate::say;
use crate::thread::form::Thread;
use crate::voice::Voice;
use crate::watch::{Code, Level, Watch};
use crate::working::{Num, Quantity, Worksheet};
use serde::Serialize;

/// Pitches a die's lead leaves short, as it comes and turned round: the upper of what is usual.
const SHORT_PITCHES: [f64; 2] = [3.0, 1.5];
/// Angles of the bevel a die starts on, degrees from the axis: by hand one of the slender ones starts it straighter.
const BEVELS_DEG: [f64; 3] = [45.0, 30.0, 20.0];
/// Which of them is proposed.
const PROPOSED: usize = 1;

/// A bevel to start a die on.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Bevel {
    /// Angle from the axis, degrees.
    pub deg: f64,
    /// How long it is.
    pub long_mm: Quantity,
    /// Whether it is the one proposed.
    pub proposed: bool,
}

/// One tap of a set.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct TapOfSet {
    /// Which.
    pub lead: TapLead,
    /// Its name with its lead.
    pub says: String,
    /// Depth to the full diameter it wants in a blind hole.
    pub full_depth_mm: Quantity,
    /// Whether it is the last run in.
    pub last: bool,
    /// Whether it is run in at all: it is there, and no longer than the last asks.
    pub run: bool,
}

/// A tap's hole.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct TapHole {
    /// Whether it is blind.
    pub blind: bool,
    /// Depth to the full diameter.
    pub full_depth_mm: Quantity,
    /// Depth to the tip of a 118° drill.
    pub tip_depth_mm: Quantity,
    /// The set, in the order they are used.
    pub taps: Vec<TapOfSet>,
}

/// A thread made by a die or a tap.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ChaserSection {
    /// Which of the two.
    pub by: Maker,
    /// The lathe its work is held in.
    pub lathe: String,
    /// In one sentence.
    pub says: String,
    /// What it takes to turn it.
    pub twist: Twist,
    /// Full thread it leaves.
    pub full_mm: Quantity,
    /// What its lead leaves short of where its front ends.
    pub short_mm: Quantity,
    /// Bevels to start a die on.
    #[serde(skip_serializing_if = "Vec::is_empty")]
    pub bevels: Vec<Bevel>,
    /// A tap's hole.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub hole: Option<TapHole>,
    /// Under power.
    pub power: UnderPower,
    /// Whether the work is to be held from turning, and not the spindle: the twist would unscrew the chuck.
    pub hold_the_work: bool,
    /// The steps, in order.
    pub steps: Vec<RunStage>,
    /// Cautions.
    pub cautions: Vec<String>,
}

/// How its thread ends, before the blank is reckoned; of a tap with the drill that makes its hole.
pub(crate) fn ends(sheet: &mut Worksheet, job: &Job, kit: &Kit, th: &Thread, size: &Size) -> ChaserEnd {
    let length = th.length;
    match job.making.by {
        Maker::Tap => {
            let (_, last) = taps(job, kit, th);
            let [full, tip] = depths(sheet, job, th, last, size.aim);
            let hole = job.blank.shoulder.then_some([full.value, tip.value]);
            let front = length + last.pitches()[1] * th.pitch.value;
            let drill = if job.blank.diameter_mm.is_none() { bore::tapping(sheet, kit, size, hole.map_or(length, |[_, tip]| tip)) } else { None };
            ChaserEnd { full: length, front, hole, bevel_deg: BEVELS_DEG[0], drill: drill.map(|(d, cuts)| (d, cuts.value)) }
        }
        _ => {
            let short = short(sheet, job, th);
            // A relief as wide as the lead takes it up.
            let taken = job.blank.relief_width_mm.unwrap_or(0.0);
            let full = if job.blank.shoulder { length - short.value.max(taken) } else { length };
            ChaserEnd { full: full.max(0.0), front: length, hole: None, bevel_deg: BEVELS_DEG[PROPOSED], drill: None }
        }
    }
}

/// The lead of a tap of the drawer.
const fn lead_of(kind: ChaserKind) -> Option<TapLead> {
    match kind {
        ChaserKind::TaperTap => Some(TapLead::Taper),
        ChaserKind::SecondTap => Some(TapLead::Second),
        ChaserKind::BottomingTap => Some(TapLead::Bottoming),
        ChaserKind::Die | ChaserKind::SplitDie | ChaserKind::DieNut => None,
    }
}

/// The taps there are for it, as told, else those of the drawer, else a set of three; and the last run in, as told, else the last of those
/// told, else the second, or the last the drawer has.
fn taps(job: &Job, kit: &Kit, th: &Thread) -> (Vec<TapLead>, TapLead) {
    let told = job.making.taps;
    let owned = |lead| kit.chasers.iter().any(|c| lead_of(c.kind) == Some(lead) && c.cuts(&th.spec));
    let there = told.unwrap_or_else(|| TapLead::ALL.map(owned));
    let list: Vec<TapLead> = TapLead::ALL.into_iter().zip(there).filter_map(|(lead, there)| there.then_some(lead)).collect();
    let list = if list.is_empty() { TapLead::ALL.into() } else { list };
    let usual = Some(TapLead::default()).filter(|second| told.is_none() && list.contains(second));
    let last = job.making.last_tap.or(usual).or(list.last().copied()).unwrap_or_default();
    (list, last)
}

fn depths(sheet: &mut Worksheet, job: &Job, th: &Thread, last: TapLead, hole: Num) -> [Num; 2] {
    let full = sheet.apply(&rules::FULL_DEPTH, [th.length.into(), th.pitch, last.pitches()[1].into(), job.making.point_mm.unwrap_or(0.0).into()]);
    [full, sheet.apply(&rules::TIP_DEPTH, [full, hole])]
}

fn short(sheet: &mut Worksheet, job: &Job, th: &Thread) -> Num {
    sheet.apply(&rules::SHORT, [th.pitch, SHORT_PITCHES[usize::from(job.making.turned_round)].into()])
}

/// What was settled before it.
pub(crate) struct Inputs<'a> {
    pub job: &'a Job,
    pub lathe: &'a Lathe,
    pub kit: &'a Kit,
    pub thread: &'a Thread,
    pub tip: &'a Tip,
    pub target: Num,
    pub blank: &'a BlankSection,
    pub end: ChaserEnd,
}

/// Works it.
pub(crate) fn reckon(sheet: &mut Worksheet, before: &Inputs<'_>, assumed: &mut Vec<Assumption>, watch: &mut Vec<Watch>) -> ChaserSection {
    let voice = sheet.voice();
    let Inputs { job, lathe, kit, thread: th, tip, target, blank, end } = *before;
    let by = job.making.by;
    let worn = job.making.worn.unwrap_or_else(|| kit.chasers.iter().find(|c| c.cuts(&th.spec)).is_some_and(|c| c.worn));
    let twist = twist::reckon(sheet, job, (th, tip, target, blank.used_mm.num()), worn, watch);
    let power = power::reckon(sheet, job, lathe, th, watch);
    let hold_the_work = lathe.chuck == Chuck::Screwed;
    let hole = (by == Maker::Tap).then(|| tap_hole(sheet, before));
    let bevels = if by == Maker::Die { bevels(sheet, blank) } else { Vec::new() };
    let (_, last) = taps(job, kit, th);
    let short = if by == Maker::Die { short(sheet, job, th) } else { Num::from(last.pitches()[1] * th.pitch.value) };
    assume(job, last, &twist, assumed, voice);
    if let Some(first) = hole.as_ref().and_then(|h| h.taps.iter().find(|t| t.run)).filter(|t| t.lead == TapLead::Bottoming) {
        watch.push(Watch::new(Level::Warn, Code::Holding, "setup", say!(voice, "chaser-starts-blunt", tap = &first.says)));
    }
    held_free(job, blank, watch, voice);
    let hand = if th.spec.hand == Hand::Left { "left" } else { "right" };
    let mut cautions = cautions(by, &power, hand, hold_the_work, voice);
    cautions.extend(job.blank.material.cautions.iter().map(|c| say!(voice, c.caution())));
    let way = if power.chosen && power.serves { "power" } else { "hand" };
    let says = say!(voice, "chaser-says", by = by.word(), thread = th.spec.name(), size = &blank.used_mm.text, torque = &twist.torque_nm.text, way = way);
    let mut section = ChaserSection {
        by,
        lathe: lathe.name.clone(),
        says,
        twist,
        full_mm: Quantity::about(voice, end.full),
        short_mm: Quantity::about(voice, short),
        bevels,
        hole,
        power,
        hold_the_work,
        steps: Vec::new(),
        cautions,
    };
    section.steps = steps::of(&section, job, blank, voice);
    section
}

/// What was not told of it and is taken.
fn assume(job: &Job, last: TapLead, twist: &Twist, assumed: &mut Vec<Assumption>, voice: Voice) {
    let mut take = |pointer: &str, text: String| assumed.push(Assumption { pointer: pointer.into(), text });
    if !twist.handle_told {
        take("/making/handle_mm", say!(voice, "chaser-handle-taken", by = job.making.by.word(), handle = &twist.handle_mm.text));
    }
    match job.making.by {
        Maker::Die if job.making.split.is_none() => take("/making/split", say!(voice, "chaser-split-taken")),
        Maker::Tap if job.making.last_tap.is_none() && job.making.taps.is_none() => {
            take("/making/last_tap", say!(voice, "chaser-last-tap-taken", lead = tap_says(last, voice)))
        }
        _ => {}
    }
    if job.making.by == Maker::Tap && job.blank.shoulder && job.making.point_mm.is_none() {
        take("/making/point_mm", say!(voice, "chaser-point-taken"));
    }
}

/// A die or tap comes from the tailstock: nothing may bear there.
fn held_free(job: &Job, blank: &BlankSection, watch: &mut Vec<Watch>, voice: Voice) {
    let centred = blank.held().is_some_and(|h| matches!(h.holding, Holding::Centres | Holding::Arbor));
    if centred || job.blank.support == Support::Centre {
        watch.push(Watch::new(Level::Warn, Code::Holding, "blank", say!(voice, "chaser-center-in-the-way", by = job.making.by.word())));
    }
}

fn bevels(sheet: &mut Worksheet, blank: &BlankSection) -> Vec<Bevel> {
    let voice = sheet.voice();
    let mut of = |deg: f64| {
        let long = sheet.apply(&rules::BEVEL, [blank.used_mm.num(), blank.chamfer_mm.num(), deg.into()]);
        Bevel { deg, long_mm: Quantity::about(voice, long), proposed: deg == BEVELS_DEG[PROPOSED] }
    };
    BEVELS_DEG.into_iter().map(&mut of).collect()
}

/// A tap by its name, with its lead.
fn tap_says(lead: TapLead, voice: Voice) -> String {
    let [from, to] = lead.pitches();
    say!(voice, "tap-of-set", lead = lead.word(), from = from.to_string(), to = to.to_string())
}

fn tap_hole(sheet: &mut Worksheet, before: &Inputs<'_>) -> TapHole {
    let voice = sheet.voice();
    let Inputs { job, kit, thread, blank, .. } = *before;
    let (there, last) = taps(job, kit, thread);
    let hole = blank.used_mm.num();
    let taps = TapLead::ALL.map(|lead| TapOfSet {
        lead,
        says: tap_says(lead, voice),
        full_depth_mm: Quantity::least(voice, depths(sheet, job, thread, lead, hole)[0]),
        last: lead == last,
        run: lead == last || there.contains(&lead) && lead.pitches()[1] > last.pitches()[1],
    });
    let [full, tip] = depths(sheet, job, thread, last, hole);
    TapHole { blind: job.blank.shoulder, full_depth_mm: Quantity::least(voice, full), tip_depth_mm: Quantity::least(voice, tip), taps: taps.into() }
}

fn cautions(by: Maker, power: &UnderPower, hand: &str, hold_the_work: bool, voice: Voice) -> Vec<String> {
    let mut list = vec![say!(voice, "caution-chuck-key"), say!(voice, "chaser-caution-chips", by = by.word())];
    if by == Maker::Tap {
        list.push(say!(voice, "chaser-caution-broken-tap"));
    }
    if power.chosen {
        list.push(say!(voice, "chaser-caution-power", by = by.word()));
    } else if !voice.lathe.cranked {
        list.push(say!(voice, "chaser-caution-isolated"));
    }
    if hold_the_work {
        list.push(say!(voice, "chaser-caution-screwed", hand = hand));
    }
    list
}
