//! The gears section of a plan.

use super::dial::{DialRule, reengage};
use super::fit::hangs;
use super::search::{Found, Train, not_among, search};
use super::suits::{NearSize, near_sizes};
use super::{drawing, rules};
use crate::job::{Gear, GearFacts, Lathe, Mounted};
use crate::outline::Drawing;
use crate::quantity::{Ratio, plain_text, ratio_text, real};
use crate::setup::Direction;
use crate::thread::Hand;
use crate::thread::section::Thread;
use crate::watch::{Level, Watch};
use crate::words::Words;
use crate::working::{Num, Quantity, Sheet};
use serde::Serialize;

/// One train of the list.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct TrainRow {
    /// Drivers, spindle end first.
    pub drivers: Vec<u16>,
    /// Driven gears, spindle end first.
    pub driven: Vec<u16>,
    /// Gearbox position.
    pub gearbox: String,
    /// Leadscrew turns per spindle turn, exact.
    pub ratio: String,
    /// Lead cut.
    pub lead_mm: f64,
    /// Lead error.
    pub error_ppm: f64,
    /// The error as it is said.
    pub error_text: String,
    /// Whether it hangs; absent geometry leaves this null.
    pub fits: Option<bool>,
    /// `bench_rule` when there is no geometry to go by.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub fit_basis: Option<&'static str>,
    /// What is in the way.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub why_not: Option<String>,
    /// Idler to bridge a simple train.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub idler: Option<u16>,
    /// Gears to change from those on the lathe.
    pub swaps: usize,
    /// Whether no train of these gears comes closer.
    pub closest: bool,
}

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
}

/// The train hung, with its workings.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct HungTrain {
    /// The train.
    pub train: TrainRow,
    /// Whether it was chosen rather than proposed.
    pub chosen: bool,
    /// Lead it cuts.
    pub lead_mm: Quantity,
    /// Its error.
    pub error_ppm: Quantity,
    /// What the error takes off the pitch diameter over the engagement.
    pub takes_mm: Quantity,
    /// The judgement, in words.
    pub judged: String,
    /// Hanging it, step by step.
    pub steps: Vec<String>,
}

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
    /// Trains found in the widest error window searched.
    pub trains_total: usize,
    /// The best of them.
    pub trains: Vec<TrainRow>,
    /// The train hung.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub hung: Option<HungTrain>,
    /// When the half-nut may close again.
    pub dial: DialSection,
    /// The train on its arm.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub drawing: Option<Drawing>,
}

/// Parts per million with as many places as mean something.
fn ppm_text(ppm: f64) -> String {
    if ppm == 0.0 { "exact".into() } else { format!("{}{} ppm", if ppm > 0.0 { "+" } else { "" }, plain_text(ppm, if ppm.abs() < 10.0 { 1 } else { 0 })) }
}

fn row(lathe: &Lathe, found: &Found) -> TrainRow {
    let teeth = |gears: &[Gear]| gears.iter().map(|g| g.teeth).collect();
    let ppm = found.error * 1e6;
    // Twelve places of a lead are noise past the exact fraction; nothing is lost by rounding ppm.
    let ppm = (ppm * 1e4).round() / 1e4;
    TrainRow {
        drivers: teeth(&found.train.drivers),
        driven: teeth(&found.train.driven),
        gearbox: lathe.gearbox.get(found.train.gearbox).map_or_else(String::new, |p| p.name.clone()),
        ratio: ratio_text(&found.ratio),
        lead_mm: real(&(found.ratio * lathe.leadscrew)),
        error_ppm: ppm,
        error_text: ppm_text(ppm),
        fits: found.fit.by_geometry.then_some(found.fit.hangs),
        fit_basis: (!found.fit.by_geometry).then_some("bench_rule"),
        why_not: found.fit.why_not.clone(),
        idler: found.fit.idler,
        swaps: found.swaps,
        closest: found.closest,
    }
}

/// The train asked for, judged like the others.
fn chosen(lathe: &Lathe, required: &Ratio, (asked, gearbox): &(Mounted, Option<String>)) -> Found {
    let gear = |teeth: &u16| lathe.gears.iter().find(|g| g.teeth == *teeth).copied().unwrap_or(Gear { teeth: *teeth, group: 0 });
    let position = gearbox.as_ref().and_then(|name| lathe.gearbox.iter().position(|p| p.name == *name)).unwrap_or(0);
    let train = Train { drivers: asked.drivers.iter().map(gear).collect(), driven: asked.driven.iter().map(gear).collect(), gearbox: position };
    let ratio = train.ratio(lathe);
    let fit = hangs(lathe, &train, &train.spare(lathe));
    Found { ratio, error: real(&(ratio / required)) - 1.0, fit, swaps: train.swaps(&lathe.mounted), train, closest: false }
}

/// Works the gears.
pub(crate) fn work(
    sheet: &mut Sheet,
    facts: &GearFacts,
    lathe: &Lathe,
    thread: &Thread,
    direction: &Direction,
    words: &Words,
    watch: &mut Vec<Watch>,
) -> GearsSection {
    let required = thread.exact_lead / lathe.leadscrew;
    let (trains_total, list) = search(lathe, &required, facts.limit);
    let asked = facts.hang.as_ref().map(|h| chosen(lathe, &required, h));
    let hung = asked.as_ref().or_else(|| list.first());
    let answer = hung.map(|f| reengage(&f.ratio, lathe.dial.as_ref()));
    let dial = answer.as_ref().map_or(
        DialSection { rule: DialRule::KeepClosed, every: None, teeth: None, marks: None, says: "No train can be hung from these gears.".into() },
        |a| DialSection { rule: a.rule, every: a.every, teeth: a.teeth, marks: a.marks, says: words.dial(a, lathe.dial.is_some()) },
    );
    let told = hung.map(|f| tell(sheet, f, asked.is_some(), lathe, thread, watch, words));
    if hung.is_none() {
        watch.push(Watch::new(Level::Danger, "train_unfit", "gears", "No train can be made from the gears listed; add gears to the lathe.".into()));
    }
    let drawing = hung.map(|f| drawing::train(lathe, f, direction));
    GearsSection {
        lathe: lathe.name.clone(),
        near_sizes: near_sizes(lathe, &thread.spec),
        required_ratio: ratio_text(&required),
        trains_total,
        trains: list.iter().map(|f| row(lathe, f)).collect(),
        hung: told,
        dial,
        drawing,
    }
}

fn tell(sheet: &mut Sheet, found: &Found, was_chosen: bool, lathe: &Lathe, thread: &Thread, watch: &mut Vec<Watch>, words: &Words) -> HungTrain {
    let part = |n: i128| Num::from(real(&Ratio::from_integer(n)));
    let lead = sheet.work(&rules::LEAD_CUT, [part(*found.ratio.numer()), part(*found.ratio.denom()), real(&lathe.leadscrew).into()]);
    let exact = found.ratio * lathe.leadscrew == thread.exact_lead;
    let error = if exact { Num::from(0.0) } else { sheet.work(&rules::ERROR, [lead, thread.lead]) };
    let drift = sheet.work(&rules::DRIFT, [error, thread.engagement.into()]);
    // Straight sides meet the drift with their side clearance; sloping ones with the pitch diameter's room.
    let straight = thread.alpha_deg <= 0.0;
    let takes = if straight { drift } else { sheet.work(&rules::DRIFT_AS_SIZE, [drift, thread.alpha_deg.into()]) };
    let room = if straight { sheet.work(&rules::SIDE_ROOM, [thread.pitch]).value } else { (thread.own.pitch.1.value - thread.own.pitch.0.value).max(0.0) };
    let micrometres = |mm: f64| plain_text(mm * 1000.0, if mm * 1000.0 < 10.0 { 1 } else { 0 });
    let judged = if exact {
        "Exact: no error at any length.".into()
    } else {
        let longest = if straight {
            sheet.work(&rules::LONGEST_STRAIGHT, [room.into(), error])
        } else {
            sheet.work(&rules::LONGEST, [room.into(), thread.alpha_deg.into(), error])
        };
        let weight = if takes.value > room {
            watch.push(Watch::new(
                Level::Danger,
                "lead_error",
                "gears",
                format!(
                    "This train will bind a nut longer than {} mm: its error takes {} µm of the {} there are.",
                    plain_text(longest.value, 1),
                    micrometres(takes.value),
                    micrometres(room)
                ),
            ));
            "will bind"
        } else if takes.value > room / 3.0 {
            watch.push(Watch::new(
                Level::Warn,
                "lead_error",
                "gears",
                format!(
                    "The train's error takes {} µm of {}: doubtful on {} mm of nut. Choose a truer train, or cut to the low limit.",
                    micrometres(takes.value),
                    micrometres(room),
                    plain_text(thread.engagement, 0)
                ),
            ));
            "doubtful"
        } else {
            "harmless"
        };
        format!(
            "Takes {} µm of {} over {} mm of nut: {weight}. Binds a nut longer than {} mm.",
            micrometres(takes.value),
            micrometres(room),
            plain_text(thread.engagement, 0),
            plain_text(longest.value, 0)
        )
    };
    let owned: Vec<u16> = lathe.gears.iter().map(|g| g.teeth).collect();
    let missing = not_among(found.train.drivers.iter().chain(&found.train.driven).map(|g| g.teeth), &owned);
    if !missing.is_empty() {
        let list = missing.iter().map(u16::to_string).collect::<Vec<_>>().join(", ");
        watch.push(Watch::new(
            Level::Warn,
            "train_unfit",
            "gears",
            format!("The gears listed for this lathe do not include (another) {list}: make sure it is in the drawer."),
        ));
    }
    if !found.fit.hangs {
        let why = found.fit.why_not.clone().unwrap_or_default();
        let (level, basis) = if found.fit.by_geometry { (Level::Danger, "does not hang") } else { (Level::Warn, "may not hang") };
        watch.push(Watch::new(level, "train_unfit", "gears", format!("This train {basis}: {why}.")));
    }
    if found.swaps > 0 {
        watch.push(Watch::new(Level::Note, "guards", "gears", "Change gears only with the machine isolated; guard back on before it runs.".into()));
    }
    HungTrain {
        train: row(lathe, found),
        chosen: was_chosen,
        lead_mm: Quantity::length(lead),
        error_ppm: Quantity::plain(error, 1, " ppm"),
        takes_mm: Quantity::length(takes),
        judged,
        steps: steps(lathe, found, thread.spec.hand, words),
    }
}

/// Hanging the train, in order, inner and outer gear of each stud named.
fn steps(lathe: &Lathe, found: &Found, hand: Hand, words: &Words) -> Vec<String> {
    let mut steps = vec!["Isolate the machine; take the guard off.".to_owned()];
    match (found.train.drivers.as_slice(), found.train.driven.as_slice()) {
        ([a, c], [b, d]) => {
            steps.push(format!("{} on the spindle stud.", a.teeth));
            steps.push(format!("On the arm's stud: {} inner, meshing the {}; {} outer.", b.teeth, a.teeth, c.teeth));
            steps.push(format!("{} on the leadscrew, outer, meshing the {}.", d.teeth, c.teeth));
        }
        ([a], [d]) => {
            steps.push(format!("{} on the spindle stud, {} on the leadscrew.", a.teeth, d.teeth));
            if let Some(idler) = found.fit.idler {
                steps.push(format!("{idler} as idler between them: it changes nothing but direction and distance."));
            }
        }
        _ => steps.push("Hang the train as listed, spindle end first.".into()),
    }
    if lathe.gearbox.len() > 1 {
        steps.push(format!("Gearbox at {}.", lathe.gearbox.get(found.train.gearbox).map_or("", |p| p.name.as_str())));
    }
    if lathe.tumbler.is_some() {
        let same = lathe.leadscrew_hand == Hand::Right;
        let position = if (hand == Hand::Right) == same { "right" } else { "left" };
        steps.push(format!("Tumbler to {position}-hand."));
    }
    steps.push("Set each mesh over a folded slip of thin paper, about 0.1 mm; never run them tight.".into());
    steps.push(format!("Guard on, a turn by hand, then a dry run with the {} closed.", words.half_nut));
    steps
}
