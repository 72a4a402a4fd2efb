//! The cut section of a plan.

use super::dial::{DepthDial, DialSetting, SlideName};
use super::schedule::{PassKind, SCRATCH_MM, depths};
use super::starts::{self, Hung, IndexWay};
use super::{drawing, rules};
use crate::bit::Tip;
use crate::gears::GearsSection;
use crate::job::{BlankFacts, CutFacts, Lathe, Style};
use crate::outline::Drawing;
use crate::quantity::{mm_text, plain_text};
use crate::setup::{Carriage, Direction};
use crate::thread::section::Thread;
use crate::thread::{Side, System, rules as thread_rules};
use crate::watch::{Level, Watch};
use crate::words::Words;
use crate::working::{Num, Quantity, Sheet};
use serde::Serialize;

/// One pass: asked is exact, the rest is what the hand sets.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct PassRow {
    /// Its number; the scratch is 0.
    pub n: u32,
    /// What it is for.
    pub kind: PassKind,
    /// Radial depth asked for.
    pub asked_radial_mm: Quantity,
    /// Radial depth set.
    pub radial_mm: f64,
    /// Compound travel set; 0 when the cross-slide carries the depth.
    pub compound_mm: f64,
    /// Radial depth of this pass alone, as shown.
    pub step: String,
    /// Pitch diameter to expect.
    pub pitch_diameter_mm: Quantity,
    /// Size over wires to expect; null while the wires would not bear.
    pub over_wires_mm: Option<Quantity>,
    /// The setting.
    pub dial: Vec<DialSetting>,
}

/// A bench figure beside the answer.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct BenchFigure {
    /// The rule of thumb.
    pub rule: &'static str,
    /// What it gives here.
    pub radial_mm: Quantity,
    /// How it compares.
    pub says: String,
}

/// How deep, pass by pass.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct CutSection {
    /// Infeed style.
    pub style: Style,
    /// Compound angle from the cross-slide line, degrees.
    pub angle_deg: f64,
    /// The angle to set on this lathe's scale.
    pub scale: String,
    /// Pitch diameter aimed at.
    pub target_pitch_diameter_mm: Quantity,
    /// Radial infeed from touch.
    pub radial_mm: Quantity,
    /// Compound travel; absent when the cross-slide carries the depth.
    pub compound_mm: Option<Quantity>,
    /// The dial that carries the depth.
    pub dial: DepthDial,
    /// The last setting.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub full_depth: Option<DialSetting>,
    /// Bench figures beside the answer.
    pub bench: Vec<BenchFigure>,
    /// Scratch, cuts, springs.
    pub passes: Vec<PassRow>,
    /// Ways of moving on to the next start, for a thread of several.
    #[serde(skip_serializing_if = "Vec::is_empty")]
    pub starts: Vec<IndexWay>,
    /// The groove filling.
    pub drawing: Drawing,
}

/// Which style, which slide, at what angle.
fn style(facts: &CutFacts, lathe: &Lathe, thread: &Thread, words: &Words, watch: &mut Vec<Watch>) -> (Style, f64) {
    let [low, high] = lathe.compound.swing_deg;
    let swings = |angle: f64| (low..=high).contains(&angle) || (low..=high).contains(&-angle);
    let usual = |style: Style| match style {
        Style::Radial => 0.0,
        Style::Flank => thread.alpha_deg,
        Style::ModifiedFlank => (thread.alpha_deg - 0.5).max(0.0),
    };
    let style = facts.style.unwrap_or_else(|| if thread.alpha_deg > 0.5 && swings(usual(Style::ModifiedFlank)) { Style::ModifiedFlank } else { Style::Radial });
    let angle = if style == Style::Radial { 0.0 } else { facts.compound_angle_deg.unwrap_or_else(|| usual(style)) };
    if style != Style::Radial && !swings(angle) {
        watch.push(Watch::new(
            Level::Danger,
            "compound_swing",
            "cut",
            format!("The {} of this lathe does not swing to {}°: plunge by the cross-slide with lighter cuts.", words.compound, plain_text(angle, 1)),
        ));
    }
    if angle > thread.alpha_deg + 1e-9 {
        watch.push(Watch::new(
            Level::Danger,
            "compound_angle",
            "cut",
            format!(
                "The {} leans {}° where the flank is {}°: the groove is cut wide on its trailing side. Set it to {}° or less.",
                words.compound,
                plain_text(angle, 1),
                plain_text(thread.alpha_deg, 1),
                plain_text(thread.alpha_deg, 1)
            ),
        ));
    }
    (style, angle)
}

/// The target: the one chosen, else the middle of the limits.
pub(crate) fn aim(sheet: &mut Sheet, facts: &CutFacts, thread: &Thread, watch: &mut Vec<Watch>) -> Num {
    let (low, high) = thread.own.pitch;
    let Some(chosen) = facts.target_mm else {
        return sheet.work(&thread_rules::MIDDLE, [low, high]);
    };
    if chosen < low.value - 5e-4 || chosen > high.value + 5e-4 {
        watch.push(Watch::new(
            Level::Warn,
            "target_limits",
            "cut",
            format!("The size aimed at, {}, is outside the limits {} to {}.", mm_text(chosen), mm_text(low.value), mm_text(high.value)),
        ));
    }
    chosen.into()
}

/// What the cut needs of everything before it.
pub(crate) struct Before<'a> {
    pub lathe: &'a Lathe,
    pub thread: &'a Thread,
    pub tip: &'a Tip,
    pub start: Num,
    pub target: Num,
    pub direction: &'a Direction,
    pub gears: &'a GearsSection,
    pub words: &'a Words,
}

/// Works the cut.
pub(crate) fn work(sheet: &mut Sheet, facts: &CutFacts, blank: &BlankFacts, before: &Before, watch: &mut Vec<Watch>) -> CutSection {
    let Before { lathe, thread, tip, start, target, direction, gears, words } = *before;
    let external = thread.spec.side == Side::External;
    let (style, angle) = style(facts, lathe, thread, words, watch);
    let radial = sheet.work(if external { &rules::INFEED_EXTERNAL } else { &rules::INFEED_INTERNAL }, [start, target, tip.h]);
    let by_compound = style != Style::Radial;
    let compound = by_compound.then(|| sheet.work(&rules::COMPOUND, [radial, angle.into()]));
    let dial =
        if by_compound { DepthDial::new(SlideName::Compound, &lathe.compound, angle) } else { DepthDial::new(SlideName::CrossSlide, &lathe.cross_slide, 0.0) };
    warn_of_the_tip(thread, tip, target.value, watch);
    if let (Some(travel), Some(compound)) = (lathe.compound.travel_mm, compound)
        && compound.value > travel
    {
        watch.push(Watch::new(
            Level::Danger,
            "compound_travel",
            "cut",
            format!("The {} has {} of travel and {} is needed.", words.compound, mm_text(travel), mm_text(compound.value)),
        ));
    }
    let mut passes = Vec::new();
    if radial.value > SCRATCH_MM {
        let list = depths(sheet, radial, tip.equal_flat, thread.alpha_deg, facts.passes, &blank.material);
        // Never past the aim: every setting is held to the last one's shallow side.
        let last = dial.shallow(radial.value);
        let mut rows: Vec<(u32, PassKind, Num)> = vec![(0, PassKind::Scratch, SCRATCH_MM.into())];
        rows.extend((1..).zip(list).map(|(n, x)| (n, PassKind::Cut, x)));
        let cuts = rows.last().map_or(0, |r| r.0);
        rows.extend((1..=facts.spring_passes).map(|i| (cuts + i, PassKind::Spring, radial)));
        let mut previous = 0.0;
        for (n, kind, asked) in rows {
            let mut set = dial.nearest(asked.value);
            if set.radial_mm > last.radial_mm || n >= cuts {
                set = last.clone();
            }
            let size = sheet.work(if external { &rules::SIZE_EXTERNAL } else { &rules::SIZE_INTERNAL }, [start, set.radial_mm.into(), tip.h]);
            passes.push(PassRow {
                n,
                kind,
                asked_radial_mm: Quantity::length(asked),
                radial_mm: nine(set.radial_mm),
                compound_mm: if by_compound { nine(set.travel_mm) } else { 0.0 },
                step: mm_text((set.radial_mm - previous).max(0.0)),
                pitch_diameter_mm: Quantity::length(size),
                over_wires_mm: None,
                dial: vec![set.setting],
            });
            previous = set.radial_mm;
        }
    } else {
        watch.push(Watch::new(
            Level::Danger,
            "blank_size",
            "cut",
            format!("There is nothing to cut: {} of infeed from this blank. Check the blank's diameter and the size aimed at.", mm_text(radial.value)),
        ));
    }
    let drawing =
        drawing::groove(&passes, tip.equal_flat.value, thread.alpha_deg, angle, radial.value, external, direction.carriage == Carriage::TowardHeadstock);
    CutSection {
        style,
        angle_deg: angle,
        scale: scale(lathe, angle, by_compound, words),
        target_pitch_diameter_mm: Quantity::length(target),
        radial_mm: Quantity::length(radial),
        compound_mm: compound.map(Quantity::length),
        full_depth: passes.last().and_then(|p| p.dial.first().cloned()),
        dial,
        bench: bench(thread, radial.value),
        passes,
        starts: next_starts(lathe, gears, thread, words),
        drawing,
    }
}

/// The ways on to the next start with the train hung.
fn next_starts(lathe: &Lathe, gears: &GearsSection, thread: &Thread, words: &Words) -> Vec<IndexWay> {
    let Some(hung) = &gears.hung else { return Vec::new() };
    let hung = Hung { gears: (&hung.train.drivers, &hung.train.driven), ratio: hung.ratio };
    starts::ways(lathe, &hung, thread.spec.starts, thread.pitch.value, words)
}

fn nine(v: f64) -> f64 {
    (v * 1e9).round() / 1e9
}

/// Whether the form comes full too soon, or the root goes too deep.
fn warn_of_the_tip(thread: &Thread, tip: &Tip, target: f64, watch: &mut Vec<Watch>) {
    let external = thread.spec.side == Side::External;
    let root = if external { target - 2.0 * tip.h.value } else { target + 2.0 * tip.h.value };
    let must_clear = if external { thread.own.minor.1 } else { thread.own.major.0 };
    if let Some(limit) = must_clear {
        let short = if external { root - limit.value } else { limit.value - root };
        if short > 1e-6 {
            watch.push(Watch::new(
                Level::Warn,
                "tip_too_wide",
                "cut",
                format!("The tip is too wide: at size the root still stands {} in the way of the mate. Grind the flat narrower.", mm_text(short / 2.0)),
            ));
        }
    }
    // Deeper than the form's own root weakens the core: its limit where it has one, else the basic root
    // flat of P/8 at the least pitch diameter.
    let sixty = thread.spec.system.is_sixty();
    let deepest = match (external, thread.own.root(thread.spec.side)) {
        (true, (Some(least), _)) => Some(least.value),
        (true, (None, _)) if sixty => Some(thread.own.pitch.0.value - 2.0 * 0.324_759_526 * thread.pitch.value),
        (false, (_, Some(most))) => Some(most.value),
        _ => None,
    };
    let past = deepest.map_or(0.0, |d| if external { d - root } else { root - d });
    if past > 1e-6 {
        let cure = if sixty { "stone a flat near P/8 on it" } else { "grind the tip to the width asked" };
        watch.push(Watch::new(
            Level::Warn,
            "root_past_minor",
            "cut",
            format!(
                "This sharp a tip cuts the root {} past the form's: {cure}, or expect a weaker {}.",
                mm_text(past / 2.0),
                if external { "core" } else { "wall" }
            ),
        ));
    }
}

/// The angle to set on this lathe's own scale.
fn scale(lathe: &Lathe, angle: f64, by_compound: bool, words: &Words) -> String {
    if !by_compound {
        return "Straight in by the cross-slide.".into();
    }
    let (shown, from) = if lathe.compound.scale_from_bed { (90.0 - angle, "the bed") } else { (angle, "the cross-slide line") };
    format!("Set the {} to {}° on its scale, which counts from {from}.", words.compound, plain_text(shown, 1))
}

/// Rules of thumb beside the answer: the depths handbooks give for the form.
fn bench(thread: &Thread, radial: f64) -> Vec<BenchFigure> {
    let list: &[(&'static str, f64)] = match thread.spec.system {
        System::IsoMetric | System::Unified => &[("0.6134 P", 0.6134), ("0.6495 P", 0.6495), ("0.7578 P, sharp", 0.7578)],
        System::Acme => &[("0.5 P + 0.010 in", 0.5)],
        System::StubAcme => &[("0.3 P + 0.010 in", 0.3)],
        System::Trapezoidal => &[("0.5 P + ac", 0.5)],
        System::Whitworth | System::PipeG => &[("0.6403 P", 0.640_327)],
        System::Ba => &[("0.6 P", 0.6)],
        System::Square => &[("0.5 P", 0.5)],
        System::Special => &[],
    };
    let pitch = thread.pitch.value;
    // Forms that stand clear of the mate at the root go that much deeper than their basic depth, on radius.
    let clearance = match (thread.spec.system, thread.spec.side) {
        (System::Acme | System::StubAcme | System::Trapezoidal, Side::External) => {
            thread.own.minor.1.map_or(0.0, |m| (thread.basic.minor.value - m.value) / 2.0)
        }
        (System::Acme | System::StubAcme | System::Trapezoidal, Side::Internal) => thread.own.major.0.map_or(0.0, |m| (m.value - thread.major.value) / 2.0),
        _ => 0.0,
    };
    list.iter()
        .map(|(rule, factor)| {
            let x = factor * pitch + clearance;
            BenchFigure {
                rule,
                radial_mm: Quantity::length(x),
                says: format!("{} {} than this tip and blank want", mm_text((x - radial).abs()), if x > radial { "deeper" } else { "shallower" }),
            }
        })
        .collect()
}
