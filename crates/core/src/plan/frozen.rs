//! What a run needs of the plan, frozen with the first pass.

use crate::bit::Tip;
use crate::chaser::ChaserSection;
use crate::cut::{CutSection, DepthDial, PassKind, SlideName, Then};
use crate::gauge::chosen::Chosen;
use crate::gears::GearsSection;
use crate::job::{Job, Kit, Lathe, Proof};
use crate::making::Maker;
use crate::run::{READING_DOUBT_MM, RunClass, RunPass, RunPlan, RunTip, RunWires};
use crate::setup::{self, SetupSection};
use crate::thread::form::Thread;
use crate::thread::{Class, PairSchool, RunMate, Side};
use crate::voice::Voice;
use crate::working::{Num, round_to_nine};

/// What any plan frozen with the first step is made from.
pub(super) struct Sizes<'a> {
    pub(super) thread: &'a Thread,
    pub(super) tip: &'a Tip,
    pub(super) start: Num,
    pub(super) target: Num,
    pub(super) wires: Option<Chosen>,
}

/// What that of a single point is made from beside it.
pub(super) struct Reckoned<'a> {
    pub(super) sizes: Sizes<'a>,
    /// What the thread is in the end, where a die or a tap finishes it.
    pub(super) ends_at: Num,
    pub(super) gears: &'a GearsSection,
    pub(super) setup: &'a SetupSection,
    pub(super) cut: &'a CutSection,
    /// What a mate feels and no micrometer does: of the lead, of the flanks.
    pub(super) hidden: (Num, Num),
}

/// What a run needs of the plan.
pub(super) fn frozen(job: &Job, kit: &Kit, r: &Reckoned<'_>, voice: Voice) -> RunPlan {
    let side = r.sizes.thread.spec.side;
    RunPlan {
        tip_doubt_mm: round_to_nine(r.sizes.tip.doubt),
        passes: r.cut.passes.iter().map(|p| RunPass { n: p.n, kind: p.kind, radial_mm: p.radial_mm, side_mm: p.side_mm, then: p.then }).collect(),
        side_dial: r.cut.side_dial.clone(),
        cycle: setup::cycle(r.setup, side, &r.gears.dial, voice),
        opening_loses: setup::opening_loses(r.setup.ending),
        pick_up: setup::pick_up(r.setup, voice),
        hidden_mm: [round_to_nine(r.hidden.0.value.abs()), round_to_nine(r.hidden.1.value)],
        spring: job.gauge.spring.map(|s| [s.share, s.doubt / 2.0]),
        finished_by: if job.blank.die_finish { Maker::chaser_of(side) } else { Maker::SinglePoint },
        left_for_finishing_mm: round_to_nine((r.sizes.target.value - r.ends_at.value).abs()),
        ..sizes_only(job, kit, &r.sizes, r.cut.dial.clone(), voice)
    }
}

/// What the run of a die or a tap needs: its steps in the place of passes, and nothing on a dial.
pub(super) fn chased_run(job: &Job, lathe: &Lathe, kit: &Kit, sizes: &Sizes<'_>, chaser: &ChaserSection, voice: Voice) -> RunPlan {
    let last = chaser.steps.len();
    let pass = |i: usize| RunPass {
        n: u32::try_from(i + 1).unwrap_or(u32::MAX),
        kind: PassKind::Chased,
        radial_mm: 0.0,
        side_mm: 0.0,
        then: (i + 1 == last).then_some(Then::Measure),
    };
    RunPlan {
        passes: (0..last).map(pass).collect(),
        stages: chaser.steps.clone(),
        closes: job.making.by == Maker::Die && job.making.split != Some(false),
        ..sizes_only(job, kit, sizes, DepthDial::new(SlideName::CrossSlide, &lathe.cross_slide, 0.0), voice)
    }
}

/// What every run has of its plan, whatever makes the thread: no pass yet.
fn sizes_only(job: &Job, kit: &Kit, s: &Sizes<'_>, dial: DepthDial, voice: Voice) -> RunPlan {
    let (th, tip) = (s.thread, s.tip);
    RunPlan {
        side: th.spec.side,
        start_mm: round_to_nine(s.start.value),
        tip_to_pitch_mm: round_to_nine(tip.h.value),
        tip_doubt_mm: 0.0,
        target_mm: round_to_nine(s.target.value),
        limits_mm: [round_to_nine(th.own.pitch.0.value), round_to_nine(th.own.pitch.1.value)],
        dial,
        wires: s.wires.as_ref().map(|w| RunWires { wire_mm: w.wire, sum_mm: round_to_nine(w.sum), corrected: w.corrected }),
        owned_wires_mm: if s.wires.is_some() { kit.wires_mm.clone() } else { Vec::new() },
        finishing_cut_mm: job.blank.material.first_cut_mm * FINISHING_SHARE,
        passes: Vec::new(),
        tip: Some(RunTip {
            pitch_mm: round_to_nine(th.pitch.value),
            alpha_deg: th.alpha_deg,
            flanks_deg: (!th.flanks.are_even()).then(|| th.flanks.both()),
            narrow_mm: round_to_nine(tip.between[0]),
            wide_mm: round_to_nine(tip.between[1]),
        }),
        mate: Some(run_mate(job, th)),
        mate_limits_mm: mate_limits(job, th),
        side_dial: None,
        cycle: Vec::new(),
        opening_loses: false,
        pick_up: Vec::new(),
        lead_mm: (th.spec.starts > 1).then(|| round_to_nine(th.lead.value)),
        hidden_mm: [0.0; 2],
        heights_mm: Some(th.heights().map(round_to_nine)),
        spring: None,
        // Before a coating no other class's limits are to be compared with these.
        classes: if job.thread.coating_mm > 0.0 { Vec::new() } else { wider_classes(job, th) },
        maker: job.making.by,
        finished_by: Maker::SinglePoint,
        left_for_finishing_mm: 0.0,
        crest_over_mm: job.blank.diameter_mm.map_or(0.0, |_| crest_over(th, s.start.value)),
        must_try: unmeasured(job).is_some(),
        stages: Vec::new(),
        closes: false,
        lathe: voice.lathe,
    }
}

/// How far a crest turned or bored to this is past its limits, mm on diameter.
fn crest_over(th: &Thread, crest_mm: f64) -> f64 {
    let over = match th.spec.side {
        Side::External => th.own.major.1.map(|most| crest_mm - most.value),
        Side::Internal => th.own.minor.0.map(|least| least.value - crest_mm),
    };
    over.map_or(0.0, |mm| round_to_nine(mm.max(0.0)))
}

/// The mate this one follows, finished and never measured: what it is expected to have come to, and how far it may be from that.
fn unmeasured(job: &Job) -> Option<RunMate> {
    let mate = job.mate.as_ref().filter(|m| m.school != Some(PairSchool::Limits))?;
    Some(RunMate { pitch_diameter_mm: mate.made_mm?, doubt_mm: mate.doubt_mm? })
}

/// Whether trying a mate nobody measured is the only proof.
pub(super) fn by_feel_alone(job: &Job, th: &Thread) -> bool {
    if unmeasured(job).is_some() {
        return th.alpha_deg > 0.0;
    }
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
        let doubt = job.mate.as_ref().and_then(|m| m.doubt_mm).unwrap_or(READING_DOUBT_MM);
        return Some([made - doubt, made + doubt]);
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
pub(super) fn run_mate(job: &Job, th: &Thread) -> RunMate {
    let (low, high) = (th.mate.pitch.0.value, th.mate.pitch.1.value);
    match job.mate.as_ref().and_then(|m| m.made_mm) {
        Some(made) => unmeasured(job).unwrap_or(RunMate { pitch_diameter_mm: made, doubt_mm: READING_DOUBT_MM }),
        None => RunMate { pitch_diameter_mm: micron(f64::midpoint(low, high)), doubt_mm: micron((high - low) / 2.0).max(0.05) },
    }
}

/// To the thousandth of a millimetre, which is more than is known of an unmeasured mate.
fn micron(mm: f64) -> f64 {
    (mm * 1e3).round() / 1e3
}

/// Largest finishing cut after a measurement, as a share of the material's first cut.
const FINISHING_SHARE: f64 = 0.5;
