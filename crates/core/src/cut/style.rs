//! Infeed styles: which this lathe and thread can use, and how each lays its passes out.

use super::dial::{DepthDial, SlideName};
use super::groove::{Chip, Edge, Field};
use super::rules;
use super::schedule::{Bounds, NOTHING_MM, PassKind, SCRATCH_MM, Spread};
use crate::bit::{STEEL_GPA, STOCKING_LEAVES_MM, Tip};
use crate::job::{BlankFacts, CutFacts, Lathe, ReadBy, Reads, Style};
use crate::outline::{Drawing, Point, Shape};
use crate::quantity::plain_text;
use crate::say;
use crate::thread::form::Thread;
use crate::thread::{Flanks, Side};
use crate::voice::Voice;
use crate::working::{Num, Quantity, Worksheet};
use serde::Serialize;

/// How far the work or the bar may give under a roughing cut, mm. House value: past it the cut chatters, and the work climbs the tool.
pub(super) const GIVES_MM: f64 = 0.03;
/// Chip at which the force a slender bar stands is turned into an area, mm thick. House value: what threading chips are.
const CHIP_MM: f64 = 0.07;
/// Leadscrew taken for a lathe that has not told its own, mm: between a bench lathe and a big one.
const SCREW_MM: f64 = 24.0;

impl Style {
    /// All of them, the most used first.
    pub const ALL: [Self; 5] = [Self::ModifiedFlank, Self::Flank, Self::Radial, Self::Alternating, Self::StockingThenForm];

    /// As it is said.
    #[must_use]
    pub fn says(self, voice: Voice) -> String {
        match self {
            Self::Radial => say!(voice, "style-radial"),
            Self::Flank => say!(voice, "style-flank"),
            Self::ModifiedFlank => say!(voice, "style-modified-flank"),
            Self::Alternating => say!(voice, "style-alternating"),
            Self::StockingThenForm => say!(voice, "style-stocking"),
        }
    }

    /// Share of the boldest cut it stands: a chip from both flanks at once crowds. House values.
    pub(crate) const fn share(self) -> f64 {
        match self {
            Self::Radial => 0.7,
            Self::Flank | Self::ModifiedFlank | Self::Alternating | Self::StockingThenForm => 1.0,
        }
    }

    /// What may go wrong with it.
    fn risk(self, voice: Voice) -> String {
        match self {
            Self::Radial => say!(voice, "style-radial-risk"),
            Self::Flank => say!(voice, "style-flank-risk"),
            Self::ModifiedFlank => say!(voice, "style-modified-flank-risk"),
            Self::Alternating => say!(voice, "style-alternating-risk"),
            Self::StockingThenForm => say!(voice, "style-stocking-risk"),
        }
    }

    /// The compound's lean from the cross-slide line, degrees: the tip is fed toward the leading side, along the trailing flank.
    pub(super) fn angle(self, trailing_deg: f64) -> f64 {
        match self {
            Self::Flank => trailing_deg,
            Self::ModifiedFlank => (trailing_deg - 0.5).max(0.0),
            Self::Radial | Self::Alternating | Self::StockingThenForm => 0.0,
        }
    }

    /// The one proposed where none was chosen.
    pub(super) fn usual(lathe: &Lathe, thread: &Thread, voice: Voice) -> Self {
        if Self::ModifiedFlank.refused(lathe, thread, voice).is_none() { Self::ModifiedFlank } else { Self::Radial }
    }

    /// Why it is the one proposed.
    fn reason(self, voice: Voice) -> String {
        match self {
            Self::Radial => say!(voice, "style-radial-reason"),
            _ => say!(voice, "style-flank-reason"),
        }
    }

    /// Why this thread or this lathe cannot be cut so; nothing when it can.
    pub(super) fn refused(self, lathe: &Lathe, thread: &Thread, voice: Voice) -> Option<String> {
        let [low, high] = lathe.compound.swing_deg;
        let swings = |angle: f64| (low..=high).contains(&angle) || (low..=high).contains(&-angle);
        let straight = thread.flanks.trailing.min(thread.flanks.leading) <= 0.5;
        match self {
            Self::Flank | Self::ModifiedFlank | Self::Alternating if !lathe.compound_feeds => Some(say!(voice, "style-no-compound")),
            Self::Flank | Self::ModifiedFlank if straight => Some(say!(voice, "style-no-flank")),
            Self::Flank | Self::ModifiedFlank if !swings(self.angle(thread.flanks.trailing)) => {
                Some(say!(voice, "style-no-swing", angle = plain_text(self.angle(thread.flanks.trailing), 1)))
            }
            Self::Alternating if straight => Some(say!(voice, "style-not-one-at-a-time")),
            Self::Alternating if !swings(90.0) => Some(say!(voice, "style-no-lie")),
            Self::StockingThenForm if thread.alpha_deg >= 20.0 => Some(say!(voice, "style-no-stocking")),
            _ => None,
        }
    }
}

/// A pass as it is laid out, before it is set on a dial.
#[derive(Debug, Clone, Copy)]
pub(super) struct PlannedPass {
    pub n: u32,
    pub kind: PassKind,
    /// Radial depth asked for.
    pub asked: Num,
}

/// Side-steps of passes that cut on one flank and then on the other, mm along the axis: the tip's middle goes to one side by as
/// much as that flank gains in depth, less half a degree so that both are skimmed, and back by the next. The last is in the
/// middle. `set` is what a step can be set to, never more.
pub(super) fn zigzag(depths: &[f64], flanks: Flanks, set: impl Fn(f64) -> f64) -> Vec<f64> {
    let lean = Style::ModifiedFlank.angle(flanks.leading.min(flanks.trailing)).to_radians().tan();
    let (mut at, mut way) = (0.0, 1.0);
    let mut sides = vec![0.0; depths.len()];
    for i in (0..depths.len().saturating_sub(1)).rev() {
        let step = set((depths[i + 1] - depths[i]).max(0.0) * lean);
        if step > 0.0 {
            at += way * step;
            way = -way;
        }
        sides[i] = at;
    }
    sides
}

/// What passes are laid out for.
pub(super) struct StyleQuery<'a> {
    pub facts: &'a CutFacts,
    pub thread: &'a Thread,
    pub tip: &'a Tip,
    pub radial: Num,
    /// The whole depth with the tip aimed at; more than `radial` where the passes stop to be measured.
    pub aimed: Num,
    pub bounds: Bounds,
    /// Tip of the stocking tool.
    pub stocking: f64,
}

/// What bounds a pass beside the thread.
#[derive(Clone, Copy)]
pub(super) struct Stands<'a> {
    pub blank: &'a BlankFacts,
    pub lathe: &'a Lathe,
    /// The most force a slender bar stands, N, with what it is.
    pub most_n: Option<(f64, &'static str)>,
    /// The least the depth's dial can be set to, mm radial.
    pub step_mm: f64,
}

/// What a boring bar stands, N: it gives no more than is harmless under the radial half of it.
pub(super) fn bar_stands_n(bar_mm: f64, reach: f64) -> f64 {
    let gives = (crate::stiffness::BEND_FREE.eval)(&[1.0, reach, 1000.0 * STEEL_GPA, bar_mm]);
    GIVES_MM / (gives / 2.0)
}

/// How boldly each pass may cut, by the material, the lathe and what the work and the tool stand; and what is slender, where that makes it
/// less than the first two.
pub(super) fn bounds(sheet: &mut Worksheet, on: &Stands<'_>, depth: Num, style: Style) -> (Bounds, Option<&'static str>) {
    let material = &on.blank.material;
    // As it is set, not only as it is asked for: a setting is out by half a step at most, and the last by a whole one, to the shallow side.
    let least = (material.least_cut_mm + 1.5 * on.step_mm).min(depth.value.max(1e-6));
    let first = sheet.apply(&rules::FIRST_CUT, [material.first_cut_mm.into(), style.share().into(), depth, least.into()]);
    let share = sheet.apply_assuming(
        &rules::LATHE_SHARE,
        [on.lathe.screw_mm.unwrap_or(SCREW_MM).into()],
        on.lathe.screw_mm.is_none().then(|| say!(sheet.voice(), "style-screw-untold")),
    );
    let most = sheet.apply(&rules::MOST_AREA, [material.most_area_mm2.into(), share, style.share().into()]).value;
    let slender = on.most_n.map(|(n, what)| (n / (material.kc1_n_mm2 * CHIP_MM.powf(-0.25)), what)).filter(|(area, _)| *area < most);
    let what = slender.map(|(_, what)| what);
    (Bounds { first_mm: first.value, area_mm2: slender.map_or(most, |(area, _)| area), unslender_mm2: most, least_mm: least }, what)
}

/// Scratch, cuts and springs of a style, in order.
pub(super) fn lay(sheet: &mut Worksheet, ask: &StyleQuery<'_>, style: Style) -> Vec<PlannedPass> {
    let StyleQuery { facts, thread, tip, radial, aimed, bounds, stocking } = *ask;
    if radial.value <= NOTHING_MM {
        return Vec::new();
    }
    let spread = |from: Num, total: Num, flat: Num, passes: Option<u32>| Spread {
        from,
        total,
        flat,
        alpha_deg: thread.alpha_deg,
        passes,
        bounds,
        law: facts.depth_law,
        own: &facts.rows,
    };
    let mut rows = vec![PlannedPass { n: 0, kind: PassKind::Scratch, asked: SCRATCH_MM.min(radial.value / 3.0).into() }];
    let mut put = |kind, asked| rows.push(PlannedPass { n: rows.len().try_into().unwrap_or(u32::MAX), kind, asked });
    match style {
        Style::StockingThenForm => {
            let deep = Num::from((radial.value - STOCKING_LEAVES_MM).max(radial.value / 2.0));
            // What was asked for is shared by both tools as the metal is: most of it is the stocking tool's.
            let form = facts.passes.map(|n| (n / 4).max(1));
            let rough = facts.passes.map(|n| n.saturating_sub(form.unwrap_or(1)).max(1));
            for x in (Spread { own: &[], ..spread(0.0.into(), deep, stocking.into(), rough) }).depths(sheet) {
                put(PassKind::Stocking, x);
            }
            let starts = if thread.alpha_deg > 0.0 {
                sheet.apply(&rules::FORM_STARTS, [deep, tip.equal_flat, stocking.into(), thread.alpha_deg.into()])
            } else {
                0.0.into()
            };
            let from = if starts.value > 0.0 { starts } else { 0.0.into() };
            // Its chips are thin and as long as the flanks: even steps, whatever the law.
            let finish = Spread { law: crate::job::DepthLaw::ConstantDepth, own: &[], ..spread(from, radial, tip.equal_flat, form) };
            for x in finish.depths(sheet) {
                put(PassKind::Cut, x);
            }
        }
        _ => {
            // A number told counts over the whole depth: to a stop it is as much less as the groove is.
            let area = |x: f64| (rules::GROOVE_AREA.eval)(&[tip.equal_flat.value, x, thread.alpha_deg]);
            let share = (area(radial.value) / area(aimed.value)).clamp(0.0, 1.0);
            #[allow(clippy::cast_possible_truncation, clippy::cast_sign_loss)] // at most as many as were told
            let passes = facts.passes.map(|n| ((f64::from(n) * share - 1e-9).ceil() as u32).max(1));
            for x in spread(0.0.into(), radial, tip.equal_flat, passes).depths(sheet) {
                put(PassKind::Cut, x);
            }
        }
    }
    for _ in 0..facts.spring_passes {
        put(PassKind::Spring, radial);
    }
    // The scratch is never deeper than the pass after it.
    if let [scratch, first, ..] = &mut rows[..]
        && first.asked.value < SCRATCH_MM
    {
        scratch.asked = first.asked;
    }
    rows
}

/// The dial the depth is read on, and the one that steps aside.
pub(super) fn dials(facts: &CutFacts, lathe: &Lathe, style: Style, angle: f64, voice: Voice) -> (DepthDial, Option<DepthDial>) {
    let dial = if style.slants() {
        DepthDial::new(SlideName::Compound, &lathe.compound, angle)
    } else {
        DepthDial::new(SlideName::CrossSlide, &lathe.cross_slide, 0.0)
    };
    let read = match (facts.read_by, &lathe.readout) {
        (ReadBy::Indicator, _) => dial.by_indicator(facts.indicator.unit, facts.indicator.graduation_mm, facts.indicator.divisions),
        (ReadBy::Readout, Some(readout)) => match (dial.slide, readout.cross_slide) {
            (SlideName::CrossSlide, Some(reads)) => dial.by_readout(readout.unit, readout.resolution_mm, reads),
            (SlideName::Compound, _) if readout.compound => dial.by_readout(readout.unit, readout.resolution_mm, Reads::Radius),
            _ => dial,
        },
        _ => dial,
    };
    // Laid along the bed the compound moves its own figure, whatever its dial means crosswise.
    let aside = (style == Style::Alternating).then(|| {
        let mut aside = DepthDial::new(SlideName::Compound, &lathe.compound, 0.0);
        aside.reading_per_radial = if lathe.compound.reads == Reads::Diameter { 2.0 } else { 1.0 };
        aside
    });
    (read.said_in(voice.words), aside.map(|dial| dial.said_in(voice.words)))
}

/// One style beside the others.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct StyleView {
    /// Which.
    pub style: Style,
    /// As it is said.
    pub says: String,
    /// Whether it is the one followed.
    pub chosen: bool,
    /// Why it is the one recommended; absent of the others.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub recommended: Option<String>,
    /// Why it cannot be used here; absent when it can.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub refused: Option<String>,
    /// Passes it takes, scratch and springs apart.
    pub passes: usize,
    /// The largest bites, by the part of the edge that takes them.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub bites: Option<Chip>,
    /// The same as they are said: leading edge, tip, trailing edge.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub bites_text: Option<[String; 3]>,
    /// What may go wrong with it.
    pub risk: String,
    /// The groove with what every pass takes of it.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub drawing: Option<Drawing>,
}

/// The edge of a tool with this tip: a flat, or a radius that stands for one.
pub(crate) fn edge(flat: f64, radius: Option<f64>, angles: [f64; 2], reach: f64) -> Edge {
    radius.map_or_else(|| Edge::flat(flat, angles, reach), |r| Edge::round(r, angles, reach))
}

/// The styles side by side, each with the passes it would take and the largest bite of each edge.
fn compare(ask: &StyleQuery<'_>, on: &Stands<'_>, voice: Voice, (followed, toward): (Style, bool)) -> Vec<StyleView> {
    let (flanks, lathe) = (ask.thread.flanks, on.lathe);
    let usual = Style::usual(lathe, ask.thread, voice);
    Style::ALL
        .into_iter()
        .map(|style| {
            let refused = style.refused(lathe, ask.thread, voice);
            let mut said = StyleView {
                style,
                says: style.says(voice),
                chosen: style == followed,
                recommended: (style == usual).then(|| style.reason(voice)),
                refused,
                passes: 0,
                bites: None,
                bites_text: None,
                risk: style.risk(voice),
                drawing: None,
            };
            if said.refused.is_some() {
                return said;
            }
            let mut apart = Worksheet::default();
            let (bounds, _) = bounds(&mut apart, on, ask.aimed, style);
            let laid = lay(&mut apart, &StyleQuery { bounds, ..*ask }, style);
            let lean = style.angle(flanks.trailing).to_radians().tan();
            let reach = 2.0 * ask.radial.value + 1.0;
            let form = edge(ask.tip.equal_flat.value, ask.tip.radius, flanks.both(), reach);
            let rough = edge(ask.stocking, None, flanks.both(), reach);
            let mut field = Field::uncut(ask.thread.pitch.value);
            let mut most = Chip::default();
            let mut sections = vec![field.section().to_vec()];
            let depths: Vec<f64> = laid.iter().map(|p| p.asked.value).collect();
            let sides = if style == Style::Alternating { zigzag(&depths, flanks, |mm| mm) } else { vec![0.0; laid.len()] };
            for (pass, side) in laid.iter().zip(sides) {
                let tool = if pass.kind == PassKind::Stocking { &rough } else { &form };
                let chip = field.cut(tool, (ask.radial.value - pass.asked.value) * lean + side, pass.asked.value);
                most.leading_mm2 = most.leading_mm2.max(chip.leading_mm2);
                most.tip_mm2 = most.tip_mm2.max(chip.tip_mm2);
                most.trailing_mm2 = most.trailing_mm2.max(chip.trailing_mm2);
                if chip.area() > 1e-9 {
                    sections.push(field.section().to_vec());
                }
            }
            said.drawing = Some(layers(&sections, ask.thread.spec.side, toward, &style.says(voice), voice));
            said.passes = laid.iter().filter(|p| matches!(p.kind, PassKind::Cut | PassKind::Stocking)).count();
            let most = most.rounded();
            said.bites_text = Some([most.leading_mm2, most.tip_mm2, most.trailing_mm2].map(|mm2| voice.area(mm2)));
            said.bites = Some(most);
            said
        })
        .collect()
}

/// One groove over a pitch, headstock to the left, with what each pass takes of it as a band of its own.
fn layers(sections: &[Vec<Point>], side: Side, toward: bool, says: &str, voice: Voice) -> Drawing {
    let (mirror, up) = (if toward { 1.0 } else { -1.0 }, if side == Side::External { -1.0 } else { 1.0 });
    let place = |p: &Point| [mirror * p[0], up * p[1]];
    let last = sections.last().map_or(&[][..], Vec::as_slice);
    let deep = last.iter().map(|p| p[1]).fold(0.05, f64::max) * 1.2;
    let wide = last.last().map_or(1.0, |p| p[0]);
    let mut metal: Vec<Point> = last.iter().map(place).collect();
    metal.extend([[wide * mirror, up * deep], [-wide * mirror, up * deep]]);
    let mut shapes = vec![Shape::closed("cut.metal", metal)];
    for pair in sections.windows(2) {
        shapes.push(Shape::closed("cut.pass", pair[0].iter().chain(pair[1].iter().rev()).map(place).collect()));
    }
    let frame = [-wide, (up * deep).min(0.0), wide, (up * deep).max(0.0)];
    Drawing::chart(voice, say!(voice, "style-drawn", says = &says, n = sections.len() - 1), frame, shapes, Vec::new())
}

/// What the styles are compared on, kept so that they are compared only where that is shown.
#[derive(Debug, Clone)]
pub(crate) struct Compared {
    pub facts: CutFacts,
    pub thread: Thread,
    pub tip: Tip,
    pub depths: [Num; 2],
    pub stocking: f64,
    pub blank: BlankFacts,
    pub lathe: Lathe,
    pub most_n: Option<(f64, &'static str)>,
    pub step_mm: f64,
    pub voice: Voice,
    pub followed: Style,
    /// Whether the carriage goes toward the headstock.
    pub toward: bool,
}

impl Compared {
    /// Keeps what was asked, what it stands on, the style followed, and whether the carriage goes toward the headstock.
    pub(super) fn of(ask: &StyleQuery<'_>, on: &Stands<'_>, voice: Voice, (followed, toward): (Style, bool)) -> Self {
        Self {
            facts: ask.facts.clone(),
            thread: ask.thread.clone(),
            tip: *ask.tip,
            depths: [ask.radial, ask.aimed],
            stocking: ask.stocking,
            blank: on.blank.clone(),
            lathe: on.lathe.clone(),
            most_n: on.most_n,
            step_mm: on.step_mm,
            voice,
            followed,
            toward,
        }
    }

    /// The styles side by side.
    pub fn styles(&self) -> Vec<StyleView> {
        let on = Stands { blank: &self.blank, lathe: &self.lathe, most_n: self.most_n, step_mm: self.step_mm };
        let [radial, aimed] = self.depths;
        let (bounds, _) = bounds(&mut Worksheet::default(), &on, aimed, self.followed);
        let ask = StyleQuery { facts: &self.facts, thread: &self.thread, tip: &self.tip, radial, aimed, bounds, stocking: self.stocking };
        compare(&ask, &on, self.voice, (self.followed, self.toward))
    }
}

/// How long it takes.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct TimeView {
    /// In the cut, each pass.
    pub pass: Quantity,
    /// All passes, set and brought back.
    pub whole: Quantity,
}
