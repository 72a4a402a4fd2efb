//! The gears section of a plan.

use super::drift::{self, DriftBudget};
use super::steps::steps;
use super::suits::{NearSize, near_sizes};
use super::{drawing, face, rules};
use crate::direction::Direction;
use crate::gears::TrainRow;
use crate::job::{Gear, GearFacts, Lathe, Mounted};
use crate::outline::Drawing;
use crate::quantity::{Ratio, plain_text, ratio_text, real};
use crate::say;
use crate::thread::form::Thread;
use crate::voice::Voice;
use crate::watch::{Code, DOUBTFUL_SHARE};
use crate::watch::{Level, Watch};
use crate::working::{Num, Quantity, Worksheet, round_to_nine};
use serde::Serialize;
use yoke_gears::dial::{DialRule, each_gear, reengage};
use yoke_gears::fit::{Sense, hangs};
use yoke_gears::hindrance::Beside;
use yoke_gears::misfit::{Mistake, mistakes, says};
use yoke_gears::search::{Found, Wanted, search};
use yoke_gears::table::Table;
use yoke_gears::train::{Train, not_among};

/// The re-engagement rule for the train hung.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct DialSection {
    /// The rule.
    pub rule: DialRule,
    /// Every how many marks.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub every: Option<u16>,
    /// Teeth of the dial gear to use.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub teeth: Option<u16>,
    /// Marks on the dial.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub marks: Option<u16>,
    /// What to do, then why.
    pub says: String,
    /// What each dial gear owned is good for, where there are several.
    #[serde(skip_serializing_if = "Vec::is_empty")]
    pub gears: Vec<DialGear>,
    /// How far the marks of the pitch meant are out by the last pass, on an approximate train.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub drift_mm: Option<Quantity>,
    /// The dial, its safe marks shown.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub drawing: Option<Drawing>,
}

/// One dial gear owned.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct DialGear {
    /// Its teeth.
    pub teeth: u16,
    /// The rule with it.
    pub rule: DialRule,
    /// The same in words.
    pub says: String,
}

/// The train hung, with its workings.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct HungTrain {
    /// The train.
    pub train: TrainRow,
    /// Whether it was chosen rather than proposed.
    pub chosen: bool,
    /// Leadscrew turns per spindle turn, exact.
    #[serde(skip)]
    pub ratio: Ratio,
    /// Lead it cuts.
    pub lead_mm: Quantity,
    /// Its error.
    pub error_ppm: Quantity,
    /// What the error takes off the pitch diameter over the engagement.
    pub takes_mm: Quantity,
    /// How far out a screw that positions is by it in 300 mm, the leadscrew's own error beside it.
    pub travel_mm: Quantity,
    /// What that is to a screw that positions, in words.
    pub travel_says: String,
    /// The judgement, in words.
    pub judged: String,
    /// Room between what must not touch, the tightest first; empty where no arm is described.
    #[serde(skip_serializing_if = "Vec::is_empty")]
    pub clearances: Vec<ClearanceView>,
    /// Hanging it, step by step.
    pub steps: Vec<String>,
}

/// Room between a gear and something it must not touch.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ClearanceView {
    /// Between what.
    pub between: String,
    /// How much.
    pub room_mm: Quantity,
}

/// Clearances told: the tightest few are what matters.
const CLEARANCES: usize = 4;

/// Gears: the train, its error, the dial.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct GearsSection {
    /// The lathe.
    pub lathe: String,
    /// Near standard sizes that save a gear change or the dial, when the size is free.
    #[serde(skip_serializing_if = "Vec::is_empty")]
    pub near_sizes: Vec<NearSize>,
    /// Leadscrew turns per spindle turn wanted, exact.
    pub required_ratio: String,
    /// The error this thread's nut does not feel, whole parts per million: what takes no more of its room than is called harmless.
    pub harmless_ppm: f64,
    /// Trains found in the widest error window searched.
    pub trains_total: usize,
    /// The best of them.
    pub trains: Vec<TrainRow>,
    /// The train hung.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub hung: Option<HungTrain>,
    /// When the half-nut may close again.
    pub dial: DialSection,
    /// What the error of the best few trains takes as the nut grows longer; absent when all are exact.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub drift: Option<Drawing>,
    /// The train on its arm.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub drawing: Option<Drawing>,
}

impl GearsSection {
    /// What was likely hung instead of this train, when the scratch measures another lead: in a sentence, and the
    /// mistakes by name.
    #[must_use]
    pub fn misfit(&self, lathe: &Lathe, starts: u8, measured_mm: f64, voice: Voice) -> (String, Vec<Mistake>) {
        let Some(row) = self.hung.as_ref().map(|h| &h.train) else { return (say!(voice, "gears-none-hung"), Vec::new()) };
        let gearbox = lathe.gearbox.iter().position(|p| p.name == row.gearbox).unwrap_or(0);
        let train =
            Train { drivers: row.drivers.iter().map(|t| gear(lathe, *t)).collect(), driven: row.driven.iter().map(|t| gear(lathe, *t)).collect(), gearbox };
        let found = mistakes(lathe, &train, starts, measured_mm, voice);
        (says(lathe, &train, measured_mm, &found, voice), found)
    }
}

/// The gear of the drawer with so many teeth; one not owned is taken to belong to the first group.
fn gear(lathe: &Lathe, teeth: u16) -> Gear {
    lathe.gears.iter().find(|g| g.teeth == teeth).copied().unwrap_or(Gear::loose(teeth, 0))
}

/// Parts per million with as many places as mean something.
fn ppm_text(ppm: f64, voice: Voice) -> String {
    if ppm == 0.0 {
        say!(voice, "train-exact")
    } else {
        format!("{}{} ppm", if ppm > 0.0 { "+" } else { "" }, voice.parted(&plain_text(ppm, if ppm.abs() < 10.0 { 1 } else { 0 })))
    }
}

pub(super) fn row(lathe: &Lathe, found: &Found, voice: Voice) -> TrainRow {
    let teeth = |gears: &[Gear]| gears.iter().map(|g| g.teeth).collect();
    let ppm = found.error * 1e6;
    // Twelve places of a lead are noise past the exact fraction; nothing is lost by rounding ppm.
    let ppm = (ppm * 1e4).round() / 1e4;
    TrainRow {
        drivers: teeth(&found.train.drivers),
        driven: teeth(&found.train.driven),
        gearbox: lathe.gearbox.get(found.train.gearbox).map_or_else(String::new, |p| p.name.clone()),
        ratio: ratio_text(&found.ratio),
        lead_mm: round_to_nine(real(&(found.ratio * lathe.leadscrew))),
        error_ppm: ppm,
        error_text: ppm_text(ppm, voice),
        fits: (found.fit.by_geometry || found.fit.seen).then_some(found.fit.hangs),
        fit_basis: (!found.fit.by_geometry).then_some(if found.fit.seen { "seen" } else { "bench_rule" }),
        why_not: found.fit.why_not.as_ref().map(|why| why.said(voice)),
        idler: found.fit.idlers.first().map(|i| i.gear.teeth),
        idlers: found.fit.idlers.iter().map(|i| i.gear.teeth).collect(),
        swaps: found.swaps,
        closest: found.closest,
    }
}

/// The train asked for, judged like the others.
fn chosen(lathe: &Lathe, required: &Ratio, sense: Option<Sense>, (asked, gearbox): &(Mounted, Option<String>)) -> Found {
    let position = gearbox.as_ref().and_then(|name| lathe.gearbox.iter().position(|p| p.name == *name)).unwrap_or(0);
    let train = Train {
        drivers: asked.drivers.iter().map(|t| gear(lathe, *t)).collect(),
        driven: asked.driven.iter().map(|t| gear(lathe, *t)).collect(),
        gearbox: position,
    };
    let ratio = train.ratio(lathe);
    let fit = hangs(lathe, &train, &train.spare(lathe), sense);
    Found { ratio, error: real(&(ratio / required)) - 1.0, fit, swaps: train.swaps(&lathe.mounted), train, closest: false }
}

/// The train on the lathe now, drawn on its arm with the leadscrew turning as the spindle does; none where it was not told.
pub(crate) fn mounted_drawing(lathe: &Lathe, voice: Voice) -> Option<Drawing> {
    let mounted = (lathe.mounted.clone(), None);
    let told = !mounted.0.drivers.is_empty() && mounted.0.drivers.len() == mounted.0.driven.len();
    told.then(|| drawing::train(lathe, &chosen(lathe, &Ratio::from_integer(1), None, &mounted), true, voice))
}

/// What an error in a train is to a screw that positions: over 300 mm, or over a foot.
fn positions(over_300_mm: f64, voice: Voice) -> String {
    let (length, times) = if voice.inches() { (304.8, 1.016) } else { (300.0, 1.0) };
    let (own, of) = (voice.coarse(SCREWS_OWN_MM), voice.nominal(length));
    if over_300_mm == 0.0 {
        return say!(voice, "gears-positions-true", own = &own, of = &of);
    }
    let out = voice.length(over_300_mm * times);
    say!(voice, "gears-positions-out", out = &out, of = &of, own = &own)
}

/// Error common in a leadscrew over 300 mm. House value.
const SCREWS_OWN_MM: f64 = 0.03;

/// Works the gears.
pub(crate) fn reckon(sheet: &mut Worksheet, facts: &GearFacts, lathe: &Lathe, thread: &Thread, direction: &Direction, watch: &mut Vec<Watch>) -> GearsSection {
    let voice = sheet.voice();
    let required = thread.exact_lead / lathe.leadscrew;
    let sense = sense_needed(lathe, direction);
    let wanted =
        Wanted { limit: facts.limit, max_error: facts.max_error, gearbox: facts.gearbox, keep: facts.keep.as_ref(), max_swaps: facts.max_changes, sense };
    let (trains_total, list) = search(lathe, &Table::of(lathe), &required, &wanted);
    let asked = facts.hang.as_ref().map(|h| chosen(lathe, &required, sense, h));
    let hung = asked.as_ref().or_else(|| list.first());
    // What never opens need not be found again.
    let answer = hung.filter(|_| lathe.half_nut()).map(|f| reengage(&f.ratio, lathe.dial.as_ref()));
    let several: Vec<DialGear> = match (hung, &lathe.dial) {
        (Some(found), Some(dial)) if dial.teeth.len() > 1 => {
            each_gear(&found.ratio, dial).iter().filter_map(|a| Some(DialGear { teeth: a.teeth?, rule: a.rule, says: a.says_short(voice) })).collect()
        }
        _ => Vec::new(),
    };
    // A dial that serves nothing is still drawn, its marks struck.
    let face = hung.zip(lathe.dial.as_ref()).and_then(|(found, dial)| {
        let of = each_gear(&found.ratio, dial);
        let used = answer.as_ref().and_then(|a| of.iter().find(|g| g.teeth == a.teeth));
        used.or_else(|| of.first()).and_then(|answer| face::dial(answer, voice))
    });
    let dial = DialSection {
        rule: answer.as_ref().map_or(DialRule::KeepClosed, |a| a.rule),
        every: answer.as_ref().and_then(|a| a.every),
        teeth: answer.as_ref().and_then(|a| a.teeth),
        marks: answer.as_ref().and_then(|a| a.marks),
        says: match &answer {
            Some(answer) => answer.says(voice, lathe.dial.is_some()),
            None if hung.is_some() => say!(voice, "nut-always-engaged"),
            None => say!(voice, "nut-no-train"),
        },
        gears: several,
        drift_mm: None,
        drawing: face,
    };
    let room = room(sheet, thread);
    let told = hung.map(|f| tell(sheet, f, asked.is_some(), room, lathe, thread, direction.screw_with_spindle, watch));
    if hung.is_none() {
        watch.push(no_train(facts, lathe, voice));
    }
    watch.extend(hung.zip(sense).map(|(found, sense)| tumbler_note(found, lathe, sense, voice)));
    let drawing = hung.filter(|f| !f.train.drivers.is_empty()).map(|f| drawing::train(lathe, f, direction.screw_with_spindle, voice));
    let rows: Vec<TrainRow> = list.iter().map(|f| row(lathe, f, voice)).collect();
    let share = if thread.alpha_deg <= 0.0 { 1.0 } else { 1.0 / thread.alpha_deg.to_radians().tan() };
    let judged = DriftBudget { engagement: thread.engagement, room: room.value, share };
    GearsSection {
        lathe: lathe.name.clone(),
        near_sizes: near_sizes(lathe, &thread.spec, voice),
        required_ratio: ratio_text(&required),
        harmless_ppm: (1e6 * DOUBTFUL_SHARE * room.value / (judged.engagement * judged.share)).clamp(0.0, 1000.0).floor(),
        trains_total,
        drift: drift::chart(told.as_ref().map(|h| &h.train), &rows, &judged, voice),
        trains: rows,
        hung: told,
        dial,
        drawing,
    }
}

/// No train was found, perhaps for what was asked of it.
fn no_train(facts: &GearFacts, lathe: &Lathe, voice: Voice) -> Watch {
    let filtered = facts.max_error.is_some() || facts.gearbox.is_some() || facts.keep.is_some() || facts.max_changes.is_some();
    let text = match (filtered, lathe.gears_fixed) {
        (true, _) => say!(voice, "gears-none-passes"),
        (_, true) => say!(voice, "gears-levers-only"),
        _ => say!(voice, "gears-none-made"),
    };
    Watch::new(Level::Danger, Code::TrainUnfit, "gears", text)
}

/// What to mind where the tumbler does not choose the way the leadscrew turns.
fn tumbler_note(found: &Found, lathe: &Lathe, sense: Sense, voice: Voice) -> Watch {
    let tumbler = if lathe.tumbler == Some([false; 2]) { "none" } else { "lacks" };
    let meshes = found.fit.meshes.len().max(if found.fit.by_geometry { 0 } else { 2 });
    let (level, text) = if found.fit.by_geometry && found.fit.hangs {
        (Level::Note, say!(voice, "gears-idlers-choose", tumbler = tumbler))
    } else if !found.fit.by_geometry && meshes.is_multiple_of(2) == (sense == Sense::With) {
        (Level::Note, say!(voice, "gears-meshes-choose", meshes = meshes, tumbler = tumbler))
    } else {
        (Level::Danger, say!(voice, "gears-tumbler-lacks", tumbler = tumbler))
    };
    Watch::new(level, Code::WrongHand, "gears", text)
}

/// How far the marks that serve the pitch meant would be out by the last pass, on a train that only comes near it: the
/// error times all that the dial has counted, which adds up pass after pass.
pub(crate) fn drift(sheet: &mut Worksheet, gears: &mut GearsSection, lathe: &Lathe, thread: &Thread, passes: usize, watch: &mut Vec<Watch>) {
    let voice = sheet.voice();
    let Some(hung) = &gears.hung else { return };
    let nominal = reengage(&(thread.exact_lead / lathe.leadscrew), lathe.dial.as_ref());
    let error = hung.error_ppm.num();
    if error.value == 0.0 || gears.dial.rule != DialRule::KeepClosed || nominal.rule == DialRule::KeepClosed {
        return;
    }
    #[allow(clippy::cast_precision_loss)] // at most a few hundred
    let drift = sheet.apply(&rules::DIAL_DRIFT, [error, (passes as f64).into(), thread.length.into(), thread.pitch]);
    let straight = thread.alpha_deg <= 0.0;
    let takes = if straight { drift } else { sheet.apply(&rules::DRIFT_AS_SIZE, [drift, thread.alpha_deg.into()]) };
    let room = thread.own.pitch.1.value - thread.own.pitch.0.value;
    let level = if takes.value > room * DOUBTFUL_SHARE { Level::Warn } else { Level::Note };
    let text = say!(
        voice,
        "gears-marks-drift",
        pitch = thread.spec.pitch_text(),
        drift = voice.length(drift.value),
        passes = passes,
        slight = if takes.value > room * DOUBTFUL_SHARE { "no" } else { "yes" }
    );
    watch.push(Watch::new(level, Code::DialDrift, "gears", text));
    gears.dial.drift_mm = Some(Quantity::length(voice, drift));
}

/// The way the leadscrew must turn, where the tumbler does not give both. A tumbler's right-hand place turns it with the
/// spindle through an even count of meshes, as its plate assumes.
fn sense_needed(lathe: &Lathe, direction: &Direction) -> Option<Sense> {
    let with = direction.screw_with_spindle;
    let [right, left] = lathe.tumbler.filter(|_| !lathe.gears_fixed)?;
    match (right, left) {
        (true, true) => None,
        (_, false) => Some(if with { Sense::With } else { Sense::Against }),
        (false, true) => Some(if with { Sense::Against } else { Sense::With }),
    }
}

/// Room the error has: the pitch diameter's tolerance, or with straight sides their side clearance.
fn room(sheet: &mut Worksheet, thread: &Thread) -> Num {
    if thread.alpha_deg <= 0.0 { sheet.apply(&rules::SIDE_ROOM, [thread.pitch]) } else { (thread.own.pitch.1.value - thread.own.pitch.0.value).max(0.0).into() }
}

#[allow(clippy::too_many_arguments)] // one per thing the judgement hangs on
fn tell(
    sheet: &mut Worksheet,
    found: &Found,
    was_chosen: bool,
    room: Num,
    lathe: &Lathe,
    thread: &Thread,
    with_spindle: bool,
    watch: &mut Vec<Watch>,
) -> HungTrain {
    let voice = sheet.voice();
    let part = |n: i128| Num::from(real(&Ratio::from_integer(n)));
    let straight = thread.alpha_deg <= 0.0;
    let lead = sheet.apply(&rules::LEAD_CUT, [part(*found.ratio.numer()), part(*found.ratio.denom()), real(&lathe.leadscrew).into()]);
    let exact = found.ratio * lathe.leadscrew == thread.exact_lead;
    let error = if exact { Num::from(0.0) } else { sheet.apply(&rules::ERROR, [lead, thread.lead]) };
    let drift = sheet.apply(&rules::DRIFT, [error, thread.engagement.into()]);
    let travel = sheet.apply(&rules::TRAVEL, [error]);
    // Straight sides meet the drift with their side clearance; sloping ones with the pitch diameter's room.
    let takes = if straight { drift } else { sheet.apply(&rules::DRIFT_AS_SIZE, [drift, thread.alpha_deg.into()]) };
    let judged = if exact { say!(voice, "gears-lead-exact") } else { judge(sheet, thread, error, [takes, room], watch) };
    warn_of_hanging(found, lathe, voice, watch);
    HungTrain {
        train: row(lathe, found, voice),
        chosen: was_chosen,
        ratio: found.ratio,
        lead_mm: Quantity::length(voice, lead),
        travel_says: positions(travel.value, voice),
        travel_mm: Quantity::length(voice, travel),
        error_ppm: Quantity::plain(error, 1, " ppm"),
        takes_mm: Quantity::length(voice, takes),
        judged,
        clearances: found
            .fit
            .clearances
            .iter()
            .take(CLEARANCES)
            .map(|c| ClearanceView {
                between: say!(voice, "gears-between", of = Beside::Gear(c.of).said(voice), to = c.to.said(voice)),
                room_mm: Quantity::length(voice, c.mm),
            })
            .collect(),
        steps: steps(lathe, found, with_spindle, voice),
    }
}

/// What to mind of a train before it is hung: gears not listed, a train that does not hang, the guards.
fn warn_of_hanging(found: &Found, lathe: &Lathe, voice: Voice, watch: &mut Vec<Watch>) {
    let owned: Vec<u16> = lathe.gears.iter().map(|g| g.teeth).collect();
    let missing = not_among(found.train.drivers.iter().chain(&found.train.driven).map(|g| g.teeth), &owned);
    if !missing.is_empty() {
        let list = missing.iter().map(u16::to_string).collect::<Vec<_>>().join(", ");
        watch.push(Watch::new(Level::Warn, Code::TrainUnfit, "gears", say!(voice, "gears-not-listed", list = &list)));
    }
    if !found.fit.hangs {
        let why = found.fit.why_not.as_ref().map_or_else(String::new, |why| why.said(voice));
        let (level, text) = if found.fit.by_geometry {
            (Level::Danger, say!(voice, "gears-does-not-hang", why = why))
        } else {
            (Level::Warn, say!(voice, "gears-may-not-hang", why = why))
        };
        watch.push(Watch::new(level, Code::TrainUnfit, "gears", text));
    }
    if found.swaps > 0 {
        watch.push(Watch::new(Level::Note, Code::Guards, "gears", say!(voice, "gears-isolate")));
    }
}

/// What the train's error comes to over the nut, said and, where it matters, warned of.
fn judge(sheet: &mut Worksheet, thread: &Thread, error: Num, [takes, room]: [Num; 2], watch: &mut Vec<Watch>) -> String {
    let voice = sheet.voice();
    let (straight, nut) = (thread.alpha_deg <= 0.0, voice.along(thread.engagement));
    let longest =
        if straight { sheet.apply(&rules::LONGEST_STRAIGHT, [room, error]) } else { sheet.apply(&rules::LONGEST, [room, thread.alpha_deg.into(), error]) };
    let weight = if takes.value > room.value {
        watch.push(Watch::new(
            Level::Danger,
            Code::LeadError,
            "gears",
            say!(voice, "gears-binds", longest = voice.at_most(longest.value), takes = voice.micro(takes.value), room = voice.micro(room.value)),
        ));
        "binds"
    } else if takes.value > room.value * DOUBTFUL_SHARE {
        watch.push(Watch::new(
            Level::Warn,
            Code::LeadError,
            "gears",
            say!(voice, "gears-doubtful", takes = voice.micro(takes.value), room = voice.micro(room.value), nut = &nut),
        ));
        "doubtful"
    } else {
        "harmless"
    };
    say!(
        voice,
        "gears-takes",
        takes = voice.micro(takes.value),
        room = voice.micro(room.value),
        nut = &nut,
        weight = weight,
        longest = voice.at_most(longest.value)
    )
}
