//! A figure somebody was going to use: what it would give on this job, and whether it is one of the slips the trade knows.

use crate::blank::rules::{BORE_OF_SHARE, FULL_SIXTY};
use crate::gauge::rules::OVER_WIRES;
use crate::gauge::{FieldFault, length_within};
use crate::plan::{Pointed, State};
use crate::quantity::plain_text;
use crate::run::RunPlan;
use crate::say;
use crate::thread::Side;
use crate::voice::Voice;
use serde::{Deserialize, Serialize};

/// What the figure is.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum OwnKind {
    /// A depth straight in from touch, mm on the radius.
    #[default]
    Radial,
    /// Travel of the compound from touch, mm.
    Compound,
    /// A bore by its share of the sharp form's 1.299 P, per cent.
    Percent,
    /// What is taken off the size over the wires, mm.
    WireConstant,
}

/// A figure somebody was going to use.
#[derive(Debug, Clone, Copy, Default, Deserialize)]
#[serde(default, deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct OwnFigure {
    /// What it is.
    pub of: OwnKind,
    /// The figure: mm, or per cent.
    pub figure: f64,
}

/// What it would give.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct OwnFigureView {
    /// Whether it serves.
    pub state: State,
    /// What it gives, mm: the pitch diameter, the bore, or how far off a reading shows.
    pub gives_mm: f64,
    /// In words.
    pub says: String,
    /// The slip it looks like.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub trap: Option<String>,
}

/// Figures nearer than this are the same, as a share and at least, mm: as they are rounded on paper. House values.
const SAME_SHARE: f64 = 0.005;
const SAME_MM: f64 = 0.006;

fn same(a: f64, b: f64) -> bool {
    (a - b).abs() <= (SAME_SHARE * b.abs()).max(SAME_MM)
}

/// What may be tested on this job: a lean only where one is set, a percentage of a 60° bore, a constant where wires serve.
pub(super) fn kinds(plan: &Pointed<'_>) -> Vec<OwnKind> {
    [
        (OwnKind::Radial, true),
        (OwnKind::Compound, plan.cut.angle_deg > 0.0),
        (OwnKind::Percent, sixty_bore(plan).is_some()),
        (OwnKind::WireConstant, plan.run.wires.is_some() && plan.run.tip.is_some()),
    ]
    .into_iter()
    .filter_map(|(kind, serves)| serves.then_some(kind))
    .collect()
}

/// The pitch of a bore of a 60° form, mm; nothing of any other thread.
fn sixty_bore(plan: &Pointed<'_>) -> Option<f64> {
    let half = plan.thread.half_angle_deg?;
    (plan.thread.side == Side::Internal && (half - 30.0).abs() <= 1e-6).then_some(plan.thread.pitch_mm.value)
}

/// Tests one.
///
/// # Errors
/// The field, and what would be right there.
pub fn own_figure(plan: &Pointed<'_>, asked: &OwnFigure, voice: Voice) -> Result<OwnFigureView, FieldFault> {
    let figure = asked.figure;
    match asked.of {
        OwnKind::Radial | OwnKind::Compound => length_within("/figure", figure, 0.001, 50.0, voice).map(|()| depth(plan, asked, voice)),
        OwnKind::WireConstant => {
            length_within("/figure", figure, 0.001, 100.0, voice)?;
            over_wires(plan, figure, voice).ok_or_else(|| ("/of", say!(voice, "own-no-wires")))
        }
        OwnKind::Percent => {
            if !(1.0..=130.0).contains(&figure) {
                return Err(("/figure", say!(voice, "own-percent-between")));
            }
            percent(plan, figure, voice).ok_or_else(|| ("/of", say!(voice, "own-percent-of-a-bore")))
        }
    }
}

/// A depth on the slide.
fn depth(plan: &Pointed<'_>, asked: &OwnFigure, voice: Voice) -> OwnFigureView {
    let (run, angle) = (plan.run, plan.cut.angle_deg);
    let cos = angle.to_radians().cos();
    let slanted = asked.of == OwnKind::Compound;
    let radial = if slanted { asked.figure * cos } else { asked.figure };
    let size = run.size_at(radial - run.tip_to_pitch_mm);
    let doubt = 2.0 * run.tip_doubt_mm;
    let turn = run.cut_sign();
    // Metal still over the near limit, and over the far one, on the pitch diameter.
    let [to_come, to_spare] = [turn * (size - run.near_limit()), turn * (size - run.far_limit())];
    let (state, how, by) = match () {
        () if to_spare < -doubt => (State::Bad, "past", -to_spare),
        () if to_come > doubt => (State::Bad, "short", to_come),
        () if doubt > 0.0 && (to_spare < doubt || to_come > -doubt) => (State::Unknown, "doubt", doubt),
        () => (State::Good, "in", to_spare),
    };
    let [low, high] = run.limits_mm.map(|mm| voice.length(mm));
    let says = say!(voice, "own-cuts", size = voice.length(size), how = how, by = voice.length(by), low = low, high = high);
    OwnFigureView { state, gives_mm: size, says, trap: depth_trap(plan, asked, (run, cos), voice) }
}

/// The slip a depth looks like: the cosine of the lean once too often or too seldom, a diameter for a radius, a height for another tip.
fn depth_trap(plan: &Pointed<'_>, asked: &OwnFigure, (run, cos): (&RunPlan, f64), voice: Voice) -> Option<String> {
    let figure = asked.figure;
    let right = run.depth_of(run.target_mm, run.tip_to_pitch_mm);
    let slanted = asked.of == OwnKind::Compound;
    let wanted = if slanted { right / cos } else { right };
    if same(figure, wanted) {
        return None;
    }
    let (angle, by) = (plain_text(plan.cut.angle_deg, 1), voice.length((figure - wanted).abs()));
    let leans = cos < 0.999;
    let sliding = [
        (leans && !slanted && same(figure, right / cos), "own-trap-divided"),
        (leans && slanted && same(figure, right), "own-trap-not-divided"),
        (leans && slanted && same(figure, right / (cos * cos)), "own-trap-divided-twice"),
        (same(figure, 2.0 * wanted), "own-trap-diameter"),
        (same(figure, wanted / 2.0), "own-trap-half"),
    ];
    if let Some((_, trap)) = sliding.into_iter().find(|(is, _)| *is) {
        return Some(say!(voice, trap, angle = angle, by = by));
    }
    let height = plan.cut.bench.iter().find(|b| same(figure, b.radial_mm.value) || slanted && same(figure, b.radial_mm.value / cos))?;
    Some(say!(voice, "own-trap-height", rule = height.rule, by = by))
}

/// A bore by its percentage.
fn percent(plan: &Pointed<'_>, percent: f64, voice: Voice) -> Option<OwnFigureView> {
    let (major, pitch) = (plan.thread.major_mm.value, sixty_bore(plan)?);
    let bore_of = |percent: f64| (BORE_OF_SHARE.eval)(&[major, percent, (FULL_SIXTY.eval)(&[pitch])]);
    let (least, most) = (plan.blank.min_mm.value, plan.blank.max_mm.value);
    let within = |bore: f64| bore >= least - 5e-4 && bore <= most + 5e-4;
    let (bore, basic) = (bore_of(percent), percent * 1.2);
    let how = match () {
        () if within(bore) => "in",
        () if bore < least => "under",
        () => "over",
    };
    let of_basic = bore_of(percent / 1.2);
    let trap = (!within(bore) && within(of_basic)).then(|| say!(voice, "own-trap-percent", percent = plain_text(percent, 1), bore = voice.length(of_basic)));
    let [low, high] = [least, most].map(|mm| voice.length(mm));
    let says = say!(voice, "own-bore", bore = voice.length(bore), basic = plain_text(basic, 1), how = how, low = low, high = high);
    Some(OwnFigureView { state: if within(bore) { State::Good } else { State::Bad }, gives_mm: bore, says, trap })
}

/// What is taken off the size over the wires.
fn over_wires(plan: &Pointed<'_>, constant: f64, voice: Voice) -> Option<OwnFigureView> {
    let run = plan.run;
    let (wires, tip) = (run.wires?, run.tip?);
    let off = constant - wires.sum_mm;
    let room = (run.limits_mm[1] - run.limits_mm[0]).max(1e-3);
    let share = off.abs() / room;
    let state = if share < 0.1 { State::Good } else { State::Bad };
    // Taken off too much, it seems smaller than it is.
    let way = if off > 0.0 { "small" } else { "large" };
    let (alpha, wire, pitch) = (tip.alpha_deg, wires.wire_mm, tip.pitch_mm);
    // The size over wires of a groove whose pitch diameter is nought.
    let of = |wire: f64, alpha: f64, pitch: f64| (OVER_WIRES.eval)(&[0.0, wire, pitch, alpha]);
    let bare = of(wire, alpha, 0.0);
    let near = |mm: f64| (constant - mm).abs() <= SAME_MM;
    let other = run.owned_wires_mm.iter().copied().find(|w| (w - wire).abs() > 0.02 && near(of(*w, alpha, pitch)));
    let trap = if off.abs() <= SAME_MM {
        None
    } else if let Some(other) = other {
        Some(say!(voice, "own-trap-other-wire", other = voice.length(other)))
    } else if (alpha - 30.0).abs() > 1e-3_f64.to_degrees() && near(of(wire, 30.0, pitch)) {
        Some(say!(voice, "own-trap-sixty"))
    } else if near(bare) {
        Some(say!(voice, "own-trap-no-pitch", part = voice.length(bare - of(wire, alpha, pitch))))
    } else if run.lead_mm.is_some_and(|lead| near(of(wire, alpha, lead))) {
        Some(say!(voice, "own-trap-lead"))
    } else {
        None
    };
    let (by, room) = (voice.length(off.abs()), voice.length(room));
    let says = say!(voice, "own-wires", wire = voice.length(wire), by = by, way = way, room = room, serves = if state == State::Good { "yes" } else { "no" });
    Some(OwnFigureView { state, gives_mm: off, says, trap })
}
