//! The plan: one pure function from a job, a lathe and a kit to everything that goes to the bench.
//!
//! It fixes the order of reckoning. Each step is given only what went before it, so nothing can read
//! backwards: the compiler holds the modules to this order.

mod check;
mod engine;

pub use check::{Check, CheckLine, Cure, State};
pub use engine::{ENGINE, OtherEngine};

use crate::bit::{self, BitSection, Groove, Tip};
use crate::blank::{self, BlankSection};
use crate::cut::{CutSection, section as cut};
use crate::direction::Carriage;
use crate::faults::Assumption;
use crate::gauge::chosen::Chosen;
use crate::gauge::{GaugeSection, ProofView, functional, proof, section as gauge};
use crate::gears::{GearsSection, section as gears};
use crate::job::defaults::BIT_WIDTH_MM;
use crate::job::pad::{self, SumLine};
use crate::job::{EndKind, Ending, Job, Kit, Lathe, Proof, Style};
use crate::run::{READING_DOUBT_MM, RunClass, RunPass, RunPlan, RunTip, RunWires};
use crate::setup::{self, SetupSection};
use crate::thread::form::Thread;
use crate::thread::pair::{self, AsCut};
use crate::thread::{Class, PairSection, RunMate, Side, ThreadSection, section as thread};
use crate::voice::Voice;
use crate::watch::{self, Code, Level, Watch};
use crate::working::{Num, Quantity, Working, Worksheet, round_to_nine};
use serde::Serialize;
use serde_json::value::{RawValue, to_raw_value};

/// Everything reckoned of a job.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Plan {
    /// Version of the reckoning.
    pub engine: &'static str,
    /// What exactly is to be cut.
    pub thread: ThreadSection,
    /// The pair, when this is one of two.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub pair: Option<PairSection>,
    /// What to turn or bore.
    pub blank: BlankSection,
    /// Which gears.
    pub gears: GearsSection,
    /// The tip.
    pub bit: BitSection,
    /// Which way everything moves.
    pub setup: SetupSection,
    /// How deep.
    pub cut: CutSection,
    /// How it is proven.
    pub gauge: GaugeSection,
    /// How the size will be proven with the part as held.
    pub proof: ProofView,
    /// The check before the first chip.
    pub check: Check,
    /// The bench pad, worked.
    #[serde(skip_serializing_if = "Vec::is_empty")]
    pub pad: Vec<SumLine>,
    /// What a run needs.
    pub run: RunPlan,
    /// Judgements and cautions, weightiest first.
    pub watch: Vec<Watch>,
    /// What was assumed.
    pub assumptions: Vec<Assumption>,
    /// How every number was got.
    pub workings: Vec<Working>,
    /// What its texts are spoken in.
    #[serde(skip)]
    pub voice: Voice,
}

impl Plan {
    /// The plan as it is sent and stored. It is written here, where code is optimised, and not wherever it is asked for.
    ///
    /// # Errors
    /// When a figure of it is not a number JSON has.
    pub fn json(&self) -> Result<Box<RawValue>, serde_json::Error> {
        to_raw_value(self)
    }

    /// The same as bytes, in room that needs no growing.
    ///
    /// # Errors
    /// The same.
    pub fn written(&self) -> Result<Vec<u8>, serde_json::Error> {
        let mut out = Vec::with_capacity(WRITTEN);
        serde_json::to_writer(&mut out, self)?;
        Ok(out)
    }
}

/// A little more than a plan is long, bytes.
const WRITTEN: usize = 64 * 1024;

/// Tolerance bending is judged against where the form is nominal, mm. House value.
const NOMINAL_ROOM_MM: f64 = 0.1;

/// Largest finishing cut after a measurement, as a share of the material's first cut.
const FINISHING_SHARE: f64 = 0.5;

/// Reckons a job on a lathe with a kit.
#[must_use]
pub fn plan(job: &Job, lathe: &Lathe, kit: &Kit) -> Plan {
    let voice = job.voice;
    let mut sheet = Worksheet::spoken(voice);
    let mut watch: Vec<Watch> = job.overrides.clone();
    let mut assumptions = job.assumed.clone();

    let direction = setup::way(&job.setup, lathe, &job.thread.spec, &mut watch);
    let (mut th, thread) = thread::reckon(&mut sheet, &job.thread, direction.carriage, &mut watch);
    // The second of a pair is held to what fits the first, so everything after follows from it.
    let fitted = job.mate.as_ref().map(|mate| (mate, pair::fit(&mut sheet, mate, &mut th, &mut watch)));
    // Where the size goes decides which tip clears the mate there.
    let follows = cut::AimSources { original: job.gauge.original, mate: by_feel_alone(job, &th).then(|| run_mate(job, &th)) };
    let target = cut::aim(&mut sheet, &job.cut, &follows, &th, &mut watch);
    let (tip, tip_said) = bit::tip(
        &mut sheet,
        &job.bit,
        job.blank.material.relief_deg + job.bit.material.map_or(0.0, |t| t.relief_more_deg),
        (&th, job.blank.diameter_mm, target),
        &mut assumptions,
        &mut watch,
    );
    let mut gears = gears::reckon(&mut sheet, &job.gears, lathe, &th, &direction, &mut watch);
    let size = blank::size::reckon(&mut sheet, &job.blank, &th, &mut assumptions, &mut watch);
    let reach = blank::reach::reckon(&mut sheet, &job.blank, (&job.bit, &job.setup), &th, &tip, size.used);
    let setup = setup::reckon(
        &mut sheet,
        &job.setup,
        &setup::Inputs {
            blank: &job.blank,
            reach: &reach,
            lathe,
            thread: &th,
            direction,
            rule: gears.dial.rule,
            train: gears.hung.as_ref().map(|h| &h.train),
            meet: gears.hung.as_ref().map(|h| *h.ratio.denom()),
            tool: job.bit.material,
        },
        &mut watch,
    );
    // What the thread ends in is at the headstock end: a cut away from it starts there.
    let cut_end = match setup.carriage {
        Carriage::TowardHeadstock => blank::end::CutEnd::StopsIn(setup.stops_in),
        Carriage::AwayFromHeadstock => blank::end::CutEnd::StartsIn(setup.run_up_mm.num()),
    };
    let tried = fitted.as_ref().is_some_and(|(_, f)| f.follows(th.spec.side));
    let start = size.used;
    let mut blank = blank::reckon(&mut sheet, &job.blank, &blank::Inputs { kit, thread: &th, tip: &tip, size, reach: &reach, cut_end, tried }, &mut watch);
    if th.spec.side == Side::External
        && job.bit.body_ahead_mm.is_none()
        && (blank.relief.is_some() || blank.beyond.as_ref().is_some_and(|b| b.gap_mm.is_some()))
    {
        let text = format!("How far the bit stands ahead of its point was not told: half a bit of {} is taken.", voice.nominal(BIT_WIDTH_MM));
        assumptions.push(Assumption { pointer: "/bit/body_ahead_mm".into(), text });
    }
    let external = th.spec.side == Side::External;
    let root = target.value + if external { -2.0 } else { 2.0 } * tip.h.value;
    // Strength is by the deepest any tip may go.
    let thinnest = bit::root(&mut sheet, &th, target, tip.sharpest.0);
    let beam = blank::slender::beam(&job.blank, &th, start, thinnest);
    let before = cut::Inputs {
        lathe,
        thread: &th,
        tip: &tip,
        start,
        target,
        direction: &direction,
        gears: &gears,
        speed: setup.speed_rpm.num(),
        ending: setup.ending,
        run_up: setup.run_up_mm.num(),
        bar_mm: job.bit.bar_radius_mm.map(|r| 2.0 * r),
        beam,
    };
    let mut cut = cut::reckon(&mut sheet, &job.cut, &job.blank, &before, &mut watch);
    let room = th.own.pitch.1.value - th.own.pitch.0.value;
    blank.slenderness = beam.map(|b| blank::slender::reckon(&mut sheet, &b, cut.cuts, if room > 1e-6 { room } else { NOMINAL_ROOM_MM }, &mut watch));
    let bit = bit::reckon(
        &mut sheet,
        &job.bit,
        tip_said,
        &bit::Inputs {
            thread: &th,
            tip: &tip,
            blank: &job.blank,
            direction: &direction,
            kit,
            beyond: job.blank.relief_width_mm.unwrap_or(3.0 * th.pitch.value),
            depth: cut.radial_mm.num(),
            from_to: (root / 2.0, start.value / 2.0),
            speed_rpm: setup.speed_rpm.value,
            stocks: cut.style == Style::StockingThenForm,
            force: cut.cuts.map(|c| c.last_n),
            reverses: setup.ending == Ending::Closed,
            groove: blank.relief.as_ref().filter(|r| r.end == EndKind::Relief).map(|r| Groove {
                width: job.blank.relief_width_mm.map_or_else(|| r.width_mm.num(), Num::from),
                bottom: job.blank.relief_diameter_mm.map_or_else(|| r.diameter_mm.num(), Num::from),
                beside: start,
                corner: r.corner_mm.as_ref().map_or(0.0, |c| c.value),
            }),
        },
        &mut watch,
    );
    crate::gears::section::drift(&mut sheet, &mut gears, lathe, &th, cut.passes.len(), &mut watch);
    let (wires, mut gauge) = gauge::reckon(&mut sheet, &job.gauge, kit, &th, &tip, start, target, &mut cut.passes, &mut watch);

    let pair = fitted.map(|(mate, fitted)| {
        let reach = 2.0 * tip.h.value * if th.spec.side == Side::External { -1.0 } else { 1.0 };
        pair::section(&mut sheet, mate, fitted, &th, AsCut { pitch: target, crest: start, root: target.value + reach })
    });

    let of = |q: Option<&Quantity>| q.map_or_else(|| Num::from(0.0), Quantity::num);
    let felt = (of(gears.hung.as_ref().map(|h| &h.takes_mm)), of(bit.ground.as_ref().map(|g| &g.feels_mm)));
    gauge.functional = functional::reckon(&mut sheet, &th, felt, target, job.mate.as_ref().and_then(|m| m.made_mm), &mut watch);

    let proof = proof::reckon(
        &proof::Inputs {
            facts: &job.gauge,
            kit,
            thread: &th,
            gauge: &gauge,
            blank: &blank,
            shoulder: job.blank.shoulder,
            mate: job.mate.as_ref(),
            reach_past: job.bit.reach_past_mm.unwrap_or(0.0),
        },
        voice,
    );
    of_every_plan(&assumptions, &mut watch);
    watch::order(&mut watch);
    let pad = pad::section(&mut sheet, &job.pad);
    let reckoned = Reckoned { thread: &th, tip: &tip, start, target, wires, gears: &gears, setup: &setup, cut: &cut, hidden: felt };
    let run = frozen(job, kit, &reckoned, voice);
    let check = Check::default();
    let mut plan = Plan {
        engine: ENGINE,
        thread,
        pair,
        blank,
        gears,
        bit,
        setup,
        cut,
        gauge,
        proof,
        check,
        pad,
        run,
        watch,
        assumptions,
        workings: sheet.finish(),
        voice,
    };
    // The check stands on everything before it, the watch included.
    plan.check = check::check(&plan, job, lathe);
    plan
}

impl Plan {
    /// What the half-nut does by the ending followed, never by another.
    #[must_use]
    pub fn nut_says(&self) -> &str {
        let way = self.setup.endings.iter().find(|e| e.chosen && e.ending != Ending::Dial);
        way.map_or(self.gears.dial.says.as_str(), |e| e.says.as_str())
    }
}

/// What is said of every plan.
fn of_every_plan(assumptions: &[Assumption], watch: &mut Vec<Watch>) {
    if assumptions.iter().any(|a| a.pointer == "/lathe") {
        watch.push(Watch::new(
            Level::Note,
            Code::AssumedDefault,
            "gears",
            "No lathe was chosen: a plain one is assumed. Choose yours before a gear is hung or a dial is set.".into(),
        ));
    }
    watch.push(Watch::new(
        Level::Note,
        Code::FirstPass,
        "cut",
        "First pass slow, hand on the lever. No gloves, sleeves or rings near the work; chips by brush or hook.".into(),
    ));
}

/// What the plan frozen with the first pass is made from.
struct Reckoned<'a> {
    thread: &'a Thread,
    tip: &'a Tip,
    start: Num,
    target: Num,
    wires: Option<Chosen>,
    gears: &'a GearsSection,
    setup: &'a SetupSection,
    cut: &'a CutSection,
    /// What a mate feels and no micrometer does: of the lead, of the flanks.
    hidden: (Num, Num),
}

/// What a run needs of the plan.
fn frozen(job: &Job, kit: &Kit, r: &Reckoned<'_>, voice: Voice) -> RunPlan {
    RunPlan {
        side: r.thread.spec.side,
        start_mm: round_to_nine(r.start.value),
        tip_to_pitch_mm: round_to_nine(r.tip.h.value),
        tip_doubt_mm: round_to_nine(r.tip.doubt),
        target_mm: round_to_nine(r.target.value),
        limits_mm: [round_to_nine(r.thread.own.pitch.0.value), round_to_nine(r.thread.own.pitch.1.value)],
        dial: r.cut.dial.clone(),
        wires: r.wires.as_ref().map(|w| RunWires { wire_mm: w.wire, sum_mm: round_to_nine(w.sum), corrected: w.corrected }),
        owned_wires_mm: if r.wires.is_some() { kit.wires_mm.clone() } else { Vec::new() },
        finishing_cut_mm: job.blank.material.first_cut_mm * FINISHING_SHARE,
        tip: Some(RunTip {
            pitch_mm: round_to_nine(r.thread.pitch.value),
            alpha_deg: r.thread.alpha_deg,
            flanks_deg: (!r.thread.flanks.are_even()).then(|| r.thread.flanks.both()),
            narrow_mm: round_to_nine(r.tip.between[0]),
            wide_mm: round_to_nine(r.tip.between[1]),
        }),
        passes: r.cut.passes.iter().map(|p| RunPass { n: p.n, kind: p.kind, radial_mm: p.radial_mm, side_mm: p.side_mm, then: p.then }).collect(),
        mate: Some(run_mate(job, r.thread)),
        mate_limits_mm: mate_limits(job, r.thread),
        side_dial: r.cut.side_dial.clone(),
        cycle: setup::cycle(r.setup, r.thread.spec.side, &r.gears.dial, voice),
        opening_loses: setup::opening_loses(r.setup.ending),
        pick_up: setup::pick_up(r.setup, voice),
        lead_mm: (r.thread.spec.starts > 1).then(|| round_to_nine(r.thread.lead.value)),
        hidden_mm: [round_to_nine(r.hidden.0.value.abs()), round_to_nine(r.hidden.1.value)],
        heights_mm: Some(r.thread.heights().map(round_to_nine)),
        spring: job.gauge.spring.map(|s| [s.share, s.doubt / 2.0]),
        // Before a coating no other class's limits are to be compared with these.
        classes: if job.thread.coating_mm > 0.0 { Vec::new() } else { wider_classes(job, r.thread) },
    }
}

/// Whether trying a mate nobody measured is the only proof.
fn by_feel_alone(job: &Job, th: &Thread) -> bool {
    let measured = job.mate.as_ref().is_some_and(|m| m.made_mm.is_some());
    let tried = match job.gauge.proof {
        Proof::Mate => true,
        Proof::Auto => th.spec.side == Side::Internal && job.gauge.mate_at_hand == Some(true),
        _ => false,
    };
    tried && !measured && th.alpha_deg > 0.0
}

/// What any mate lies between: its standard's limits, or the one measured; none where the tolerance is the user's own or nobody's, or the
/// mate is a part to be matched.
fn mate_limits(job: &Job, th: &Thread) -> Option<[f64; 2]> {
    if let Some(made) = job.mate.as_ref().and_then(|m| m.made_mm) {
        return Some([made - READING_DOUBT_MM, made + READING_DOUBT_MM]);
    }
    let standard = !matches!(th.spec.class, Class::Nominal) && job.gauge.original.is_none();
    standard.then(|| [round_to_nine(th.mate.pitch.0.value), round_to_nine(th.mate.pitch.1.value)])
}

/// The two classes nearest past this one.
fn wider_classes(job: &Job, th: &Thread) -> Vec<RunClass> {
    let nearest = th.wider_classes(job.thread.engagement_mm).into_iter().take(2);
    nearest.map(|(name, limits)| RunClass { name, limits_mm: limits.map(round_to_nine) }).collect()
}

/// The mate as made where it was measured, else anywhere in the limits of its own class.
fn run_mate(job: &Job, th: &Thread) -> RunMate {
    let (low, high) = (th.mate.pitch.0.value, th.mate.pitch.1.value);
    match job.mate.as_ref().and_then(|m| m.made_mm) {
        Some(made) => RunMate { pitch_diameter_mm: made, doubt_mm: READING_DOUBT_MM },
        None => RunMate { pitch_diameter_mm: micron(f64::midpoint(low, high)), doubt_mm: micron((high - low) / 2.0).max(0.05) },
    }
}

/// To the thousandth of a millimetre, which is more than is known of an unmeasured mate.
fn micron(mm: f64) -> f64 {
    (mm * 1e3).round() / 1e3
}
