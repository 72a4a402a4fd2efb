//! The plan: one pure function from a job, a lathe and a kit to everything that goes to the bench.
//!
//! It fixes the order of reckoning. Each step is given only what went before it, so nothing can read
//! backwards: the compiler holds the modules to this order.

mod chased;
mod check;
mod engine;
mod frozen;

pub use check::{Check, CheckLine, Cure, State};
pub use engine::{ENGINE, OtherEngine};

use crate::say;
use frozen::{Reckoned, Sizes, by_feel_alone, frozen, run_mate};

use crate::bit::{self, BitSection, Groove, Tip, TipView};
use crate::blank::{self, BlankSection};
use crate::chaser::ChaserSection;
use crate::cut::{CutSection, DepthDial, PassRow, SlideName, left_for_die, section as cut};
use crate::direction::{Carriage, Direction};
use crate::faults::Assumption;
use crate::gauge::chosen::Chosen;
use crate::gauge::{GaugeSection, ProofView, functional, proof, section as gauge};
use crate::gears::{GearsSection, section as gears};
use crate::job::defaults::BIT_WIDTH_MM;
use crate::job::pad::{self, SumLine};
use crate::job::{BlankFacts, EndKind, Ending, Holding, Job, Kit, Lathe, Style, Support};
use crate::making::Maker;
use crate::run::{READING_DOUBT_MM, RunPlan};
use crate::setup::{self, SetupSection};
use crate::thread::form::Thread;
use crate::thread::pair::{self, AsCut, Fitted};
use crate::thread::{MateFacts, PairSection, Side, ThreadSection, section as thread};
use crate::voice::Voice;
use crate::watch::{self, Code, Level, Watch};
use crate::working::{Num, Quantity, Working, Worksheet};
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
    /// Which gears; like the three after it only of a thread cut by a single point.
    #[serde(skip_serializing_if = "Option::is_none")]
    gears: Option<GearsSection>,
    /// The tip.
    #[serde(skip_serializing_if = "Option::is_none")]
    bit: Option<BitSection>,
    /// Which way everything moves.
    #[serde(skip_serializing_if = "Option::is_none")]
    setup: Option<SetupSection>,
    /// How deep.
    #[serde(skip_serializing_if = "Option::is_none")]
    cut: Option<CutSection>,
    /// The die or the tap, where one makes the thread.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub chaser: Option<ChaserSection>,
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

/// A plan whose thread is cut by a single point, with what only such a one has.
#[derive(Clone, Copy)]
pub struct Pointed<'a> {
    /// What exactly is to be cut.
    pub thread: &'a ThreadSection,
    /// What to turn or bore.
    pub blank: &'a BlankSection,
    /// Which gears.
    pub gears: &'a GearsSection,
    /// The tip.
    pub bit: &'a BitSection,
    /// Which way everything moves.
    pub setup: &'a SetupSection,
    /// How deep.
    pub cut: &'a CutSection,
    /// How it is proven.
    pub gauge: &'a GaugeSection,
    /// How the size will be proven with the part as held.
    pub proof: &'a ProofView,
    /// What a run needs.
    pub run: &'a RunPlan,
    /// The check before the first chip.
    pub check: &'a Check,
    /// Judgements and cautions, weightiest first.
    pub watch: &'a [Watch],
    /// What was assumed.
    pub assumptions: &'a [Assumption],
    /// What its texts are spoken in.
    pub voice: Voice,
}

impl Plan {
    /// Its single point; none where a die or a tap makes the thread.
    #[must_use]
    pub fn pointed(&self) -> Option<Pointed<'_>> {
        Some(Pointed {
            thread: &self.thread,
            blank: &self.blank,
            gears: self.gears.as_ref()?,
            bit: self.bit.as_ref()?,
            setup: self.setup.as_ref()?,
            cut: self.cut.as_ref()?,
            gauge: &self.gauge,
            proof: &self.proof,
            run: &self.run,
            check: &self.check,
            watch: &self.watch,
            assumptions: &self.assumptions,
            voice: self.voice,
        })
    }
}

/// A little more than a plan is long, bytes.
const WRITTEN: usize = 64 * 1024;

/// Tolerance bending is judged against where the form is nominal, mm. House value.
const NOMINAL_ROOM_MM: f64 = 0.1;

/// Reckons a job on a lathe with a kit.
#[must_use]
pub fn plan(job: &Job, lathe: &Lathe, kit: &Kit) -> Plan {
    let desk = Desk { sheet: Worksheet::spoken(job.voice), watch: job.overrides.clone(), assumptions: job.assumed.clone(), job, lathe, kit };
    if job.making.by != Maker::SinglePoint {
        return desk.chased();
    }
    desk.pointed()
}

impl Desk<'_> {
    /// The plan of a thread cut by a single point.
    fn pointed(mut self) -> Plan {
        let desk = &mut self;
        let (shaped, tip_view) = desk.shape();
        let mut held = desk.set(&shaped);
        let (mut cut, bit) = desk.work(&shaped, tip_view, &mut held);
        let proven = desk.prove(&shaped, &held, &mut cut, &bit);
        self.finish(shaped, held, cut, bit, proven)
    }
}

/// What is written on while a plan is reckoned, and what it is reckoned from. Its steps follow one another, and each is given only what
/// those before it made.
struct Desk<'a> {
    sheet: Worksheet,
    watch: Vec<Watch>,
    assumptions: Vec<Assumption>,
    job: &'a Job,
    lathe: &'a Lathe,
    kit: &'a Kit,
}

/// The thread as it is to be, and the size aimed at.
struct Sized<'a> {
    thread: Thread,
    section: ThreadSection,
    /// The mate, where this is one of two, and how this one is fitted to it.
    fitted: Option<(&'a MateFacts, Fitted)>,
    target: Num,
}

/// The same, and the tip everything is laid out for.
struct Shaped<'a> {
    direction: Direction,
    thread: Thread,
    /// The same with the limits it is proven by before a die finishes it.
    left: Option<Thread>,
    section: ThreadSection,
    /// The mate, where this is one of two, and how this one is fitted to it.
    fitted: Option<(&'a MateFacts, Fitted)>,
    /// What the single point stops at, and what the thread is in the end: apart where a die or a tap finishes it.
    target: Num,
    ends_at: Num,
    tip: Tip,
}

impl Shaped<'_> {
    /// The thread with the limits it is measured by.
    fn proven_as(&self) -> &Thread {
        self.left.as_ref().unwrap_or(&self.thread)
    }
}

/// What is hung on the lathe and held in it.
struct Held {
    gears: GearsSection,
    setup: SetupSection,
    blank: BlankSection,
    /// The diameter the cut starts from.
    start: Num,
}

/// How the size is had.
struct Proven {
    gauge: GaugeSection,
    pair: Option<PairSection>,
    proof: ProofView,
    wires: Option<Chosen>,
    /// What a mate feels and no micrometer does: of the lead, of the flanks.
    felt: (Num, Num),
}

/// What the size is to be had of.
struct ToProve<'a, 'b> {
    /// The thread with the limits it is measured by.
    measured: &'b Thread,
    /// The same in the end.
    thread: &'b Thread,
    target: Num,
    ends_at: Num,
    tip: &'b Tip,
    /// The diameter it is cut from.
    start: Num,
    blank: &'b BlankSection,
    fitted: Option<&'b (&'a MateFacts, Fitted)>,
    /// What a mate feels and no micrometer does: of the lead, of the flanks.
    felt: (Num, Num),
}

impl<'a> Desk<'a> {
    /// The thread, fitted to its mate where it is one of two, and the size aimed at.
    fn size(&mut self, carriage: Carriage) -> Sized<'a> {
        let (job, sheet, watch) = (self.job, &mut self.sheet, &mut self.watch);
        let (mut thread, section) = thread::reckon(sheet, &job.thread, carriage, watch);
        // The second of a pair is held to what fits the first, so everything after follows from it.
        let proven = proof::provable(self.kit, &thread);
        let fitted = job.mate.as_ref().map(|mate| (mate, pair::fit(sheet, mate, proven, &mut thread, watch)));
        if let Some(original) = job.gauge.original {
            // As near as the dial sets it and a micrometer reads it.
            let dial = DepthDial::new(SlideName::CrossSlide, &self.lathe.cross_slide, 0.0);
            cut::like(sheet, original, dial.division_radial_mm() + 2.0 * READING_DOUBT_MM, &mut thread);
        }
        // Where the size goes decides which tip clears the mate there.
        let follows = cut::AimSources {
            original: job.gauge.original,
            mate: by_feel_alone(job, &thread).then(|| run_mate(job, &thread)),
            clearance_mm: job.mate.as_ref().and_then(|m| m.clearance_mm),
        };
        let target = cut::aim(sheet, &job.cut, &follows, &thread, watch);
        Sized { thread, section, fitted, target }
    }

    /// The way it all moves, the thread, the size aimed at and the tip.
    fn shape(&mut self) -> (Shaped<'a>, TipView) {
        let (job, sheet, watch) = (self.job, &mut self.sheet, &mut self.watch);
        let direction = setup::way(&job.setup, self.lathe, &job.thread.spec, sheet.voice(), watch);
        let Sized { thread: th, section, fitted, target: ends_at } = self.size(direction.carriage);
        let (sheet, watch) = (&mut self.sheet, &mut self.watch);
        let (target, left) = left_for_die(sheet, job, &th, ends_at, watch);
        let relief = job.blank.material.relief_deg + job.bit.material.map_or(0.0, |t| t.relief_more_deg);
        let (tip, tip_view) = bit::tip(sheet, &job.bit, relief, (&th, job.blank.diameter_mm, target), &mut self.assumptions, watch);
        (Shaped { direction, thread: th, left, section, fitted, target, ends_at, tip }, tip_view)
    }

    /// What is hung on the lathe and held in it: gears, the ending and the speed, the blank.
    fn set(&mut self, shaped: &Shaped<'_>) -> Held {
        let (job, lathe, sheet, watch) = (self.job, self.lathe, &mut self.sheet, &mut self.watch);
        let (th, tip) = (&shaped.thread, &shaped.tip);
        let gears = gears::reckon(sheet, &job.gears, lathe, th, &shaped.direction, watch);
        let size = blank::size::reckon(sheet, &job.blank, th, &mut self.assumptions, watch);
        let reach = blank::reach::reckon(sheet, &job.blank, (&job.bit, &job.setup, &shaped.direction), th, tip, size.used);
        let hung = gears.hung.as_ref();
        let before = setup::Inputs {
            blank: &job.blank,
            reach: &reach,
            lathe,
            thread: th,
            direction: shaped.direction,
            rule: gears.dial.rule,
            train: hung.map(|h| &h.train),
            meet: hung.map(|h| *h.ratio.denom()),
            tool: job.bit.material,
        };
        let setup = setup::reckon(sheet, &job.setup, &before, watch);
        // What the thread ends in is at the headstock end: a cut away from it starts there.
        let cut_end = match setup.carriage {
            Carriage::TowardHeadstock => blank::end::CutEnd::StopsIn(setup.stops_in),
            Carriage::AwayFromHeadstock => blank::end::CutEnd::StartsIn(setup.run_up_mm.num()),
        };
        let tried = shaped.fitted.as_ref().is_some_and(|(_, f)| f.follows());
        let before = blank::Inputs { kit: self.kit, thread: th, tip, size, comes: blank::Comes::Bit(&reach, cut_end), tried };
        let blank = blank::reckon(sheet, &job.blank, &before, watch);
        self.assumptions.extend(body_ahead_taken(job, &blank, th.spec.side, sheet.voice()));
        Held { gears, setup, blank, start: size.used }
    }

    /// The passes, and the bit that cuts them.
    fn work(&mut self, shaped: &Shaped<'_>, tip_view: TipView, held: &mut Held) -> (CutSection, BitSection) {
        let (job, sheet, watch) = (self.job, &mut self.sheet, &mut self.watch);
        let (th, tip, target, start, setup) = (&shaped.thread, &shaped.tip, shaped.target, held.start, &held.setup);
        let external = th.spec.side == Side::External;
        // Strength is by the deepest any tip may go.
        let thinnest = bit::root(sheet, th, target, tip.sharpest.0);
        let beam = blank::slender::beam(&job.blank, th, start, thinnest);
        let before = cut::Inputs {
            lathe: self.lathe,
            thread: th,
            tip,
            start,
            target,
            direction: &shaped.direction,
            gears: &held.gears,
            speed: setup.turning,
            ending: setup.ending,
            run_up: setup.run_up_mm.num(),
            bar_mm: job.bit.bar_radius_mm.map(|r| 2.0 * r),
            beam,
        };
        let cut = cut::reckon(sheet, &job.cut, &job.blank, &before, watch);
        let room = th.own.pitch.1.value - th.own.pitch.0.value;
        held.blank.slenderness = beam.map(|b| blank::slender::reckon(sheet, &b, cut.cuts, if room > 1e-6 { room } else { NOMINAL_ROOM_MM }, watch));
        let groove = grooved(&job.blank, &held.blank, start).map(|groove| {
            let blade = bit::blade_for(self.kit, &groove, th.spec.side, sheet.voice());
            (groove, blade)
        });
        let slender = held.blank.slenderness.as_ref();
        let wants = blank::at_hand::AtHandQuery {
            kit: self.kit,
            facts: &job.blank,
            thread: th,
            held: held.blank.held().map_or(Holding::ThreeJaw, |h| h.holding),
            used: start.value,
            limits: [held.blank.min_mm.value, held.blank.max_mm.value],
            support: slender.map_or(Support::None, |s| s.asks.unwrap_or(s.support)),
            blade: groove.as_ref().map(|(_, blade)| blade),
            read_by: job.cut.read_by,
            depth: cut.radial_mm.value,
        };
        held.blank.at_hand = blank::at_hand::reckon(&wants, sheet.voice());
        let root = target.value + if external { -2.0 } else { 2.0 } * tip.h.value;
        let before = bit::Inputs {
            thread: th,
            tip,
            blank: &job.blank,
            direction: &shaped.direction,
            kit: self.kit,
            beyond: job.blank.relief_width_mm.unwrap_or(3.0 * th.pitch.value),
            depth: cut.radial_mm.num(),
            from_to: (root / 2.0, start.value / 2.0),
            speed_rpm: setup.turning.value,
            stocks: cut.style == Style::StockingThenForm,
            force: cut.cuts.map(|c| c.last_n),
            reverses: setup.ending == Ending::Closed,
            groove,
        };
        let bit = bit::reckon(sheet, &job.bit, tip_view, &before, watch);
        gears::drift(sheet, &mut held.gears, self.lathe, th, cut.passes.len(), watch);
        (cut, bit)
    }

    /// How the size of what a single point cuts is had.
    fn prove(&mut self, shaped: &Shaped<'_>, held: &Held, cut: &mut CutSection, bit: &BitSection) -> Proven {
        let of = |q: Option<&Quantity>| q.map_or_else(|| Num::from(0.0), Quantity::num);
        let felt = (of(held.gears.hung.as_ref().map(|h| &h.takes_mm)), of(bit.ground.as_ref().map(|g| &g.feels_mm)));
        let ask = ToProve {
            measured: shaped.proven_as(),
            thread: &shaped.thread,
            target: shaped.target,
            ends_at: shaped.ends_at,
            tip: &shaped.tip,
            start: held.start,
            blank: &held.blank,
            fitted: shaped.fitted.as_ref(),
            felt,
        };
        self.proven(&ask, &mut cut.passes)
    }

    /// How the size is measured, whether the mate goes on, and by what it is proven.
    fn proven(&mut self, ask: &ToProve<'_, '_>, passes: &mut [PassRow]) -> Proven {
        let (job, kit, sheet, watch) = (self.job, self.kit, &mut self.sheet, &mut self.watch);
        let ToProve { measured: th, tip, target, start, felt, .. } = *ask;
        let (wires, mut gauge) = gauge::reckon(sheet, &job.gauge, kit, th, tip, start, target, passes, watch);
        let pair = ask.fitted.map(|(mate, fitted)| {
            let reach = 2.0 * tip.h.value * if th.spec.side == Side::External { -1.0 } else { 1.0 };
            pair::section(sheet, mate, fitted, th, AsCut { pitch: target, crest: start, root: target.value + reach })
        });
        // The mate goes on what a die or a tap leaves, not on what was left for it.
        gauge.functional = functional::reckon(sheet, ask.thread, felt, ask.ends_at, job.mate.as_ref().and_then(|m| m.made_mm), watch);
        let before = proof::Inputs {
            facts: &job.gauge,
            kit,
            thread: th,
            gauge: &gauge,
            blank: ask.blank,
            told: &job.blank,
            maker: job.making.by,
            mate: job.mate.as_ref(),
            reach_past: job.bit.reach_past_mm.unwrap_or(0.0),
        };
        let proof = proof::reckon(&before, sheet.voice());
        Proven { gauge, pair, proof, wires, felt }
    }

    /// The plan of it all, checked.
    fn finish(mut self, shaped: Shaped<'_>, held: Held, cut: CutSection, bit: BitSection, proven: Proven) -> Plan {
        let (job, voice) = (self.job, self.sheet.voice());
        if on_no_lathe(&self.assumptions) {
            self.watch.push(Watch::new(Level::Note, Code::AssumedDefault, "gears", say!(voice, "plan-no-lathe")));
        }
        self.watch.push(Watch::new(Level::Note, Code::FirstPass, "cut", say!(voice, "plan-first-pass")));
        watch::order(&mut self.watch);
        let pad = pad::section(&mut self.sheet, &job.pad);
        let run = frozen(
            job,
            self.kit,
            &Reckoned {
                sizes: Sizes { thread: shaped.proven_as(), tip: &shaped.tip, start: held.start, target: shaped.target, wires: proven.wires },
                ends_at: shaped.ends_at,
                gears: &held.gears,
                setup: &held.setup,
                cut: &cut,
                hidden: proven.felt,
            },
            voice,
        );
        let mut plan = Plan {
            engine: ENGINE,
            thread: shaped.section,
            pair: proven.pair,
            blank: held.blank,
            gears: Some(held.gears),
            bit: Some(bit),
            setup: Some(held.setup),
            cut: Some(cut),
            chaser: None,
            gauge: proven.gauge,
            proof: proven.proof,
            check: Check::default(),
            pad,
            run,
            watch: self.watch,
            assumptions: self.assumptions,
            workings: self.sheet.finish(),
            voice,
        };
        // The check stands on everything before it, the watch included.
        plan.check = check::check(&plan, job, self.lathe);
        plan
    }
}

/// What stands ahead of the point, where it matters and was not told.
fn body_ahead_taken(job: &Job, blank: &BlankSection, side: Side, voice: Voice) -> Option<Assumption> {
    let matters = blank.relief.is_some() || blank.beyond.as_ref().is_some_and(|b| b.gap_mm.is_some());
    (side == Side::External && job.bit.body_ahead_mm.is_none() && job.bit.sides_mm.is_none() && matters)
        .then(|| Assumption { pointer: "/bit/body_ahead_mm".into(), text: say!(voice, "plan-body-ahead", half = voice.nominal(BIT_WIDTH_MM)) })
}

/// The groove a relief tool makes, as told or as wanted.
fn grooved(facts: &BlankFacts, blank: &BlankSection, beside: Num) -> Option<Groove> {
    let relief = blank.relief.as_ref().filter(|r| r.end == EndKind::Relief)?;
    Some(Groove {
        width: facts.relief_width_mm.map_or_else(|| relief.width_mm.num(), Num::from),
        bottom: facts.relief_diameter_mm.map_or_else(|| relief.diameter_mm.num(), Num::from),
        beside,
        corner: relief.corner_mm.as_ref().map_or(0.0, |c| c.value),
    })
}

impl Plan {
    /// Whether no lathe was told: what hangs on one is then the assumed one's, and nobody's.
    #[must_use]
    pub fn on_no_lathe(&self) -> bool {
        on_no_lathe(&self.assumptions)
    }
}

impl Pointed<'_> {
    /// Whether no lathe was told.
    #[must_use]
    pub fn on_no_lathe(&self) -> bool {
        on_no_lathe(self.assumptions)
    }

    /// What the half-nut does by the ending followed, never by another.
    #[must_use]
    pub fn nut_says(&self) -> &str {
        let way = self.setup.endings.iter().find(|e| e.chosen && e.ending != Ending::Dial);
        way.map_or(self.gears.dial.says.as_str(), |e| e.says.as_str())
    }
}

fn on_no_lathe(assumptions: &[Assumption]) -> bool {
    assumptions.iter().any(|a| a.pointer == "/lathe")
}
