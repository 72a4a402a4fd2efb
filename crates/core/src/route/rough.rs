//! Roughing and finishing: cuts of equal depth from the bar, or the drilled hole, to the blank, as rows on this lathe's own dial.

use super::Member;
use super::line::{CardLine, words};
use crate::cut::rules::PRESSURE;
use crate::cut::{DepthDial, SlideName};
use crate::job::{Holding, Support};
use crate::say;
use crate::stiffness::BEND_FREE;
use crate::thread::Side;
use crate::voice::Voice;
use std::f64::consts::PI;

/// Left on the diameter for the last cut, mm: from 0.2 to 0.5 by practice. House value.
pub(super) const FINISH_MM: f64 = 0.4;
/// Usual depth of a roughing cut, mm on the radius, on a bench lathe, one of middle size, a large one; by the leadscrew's thickness. House values.
const USUAL_MM: [f64; 3] = [0.5, 1.0, 2.0];
const MIDDLE_SCREW_MM: f64 = 16.0;
const LARGE_SCREW_MM: f64 = 28.0;
/// A boring bar takes half of what an outside tool does. House value.
const IN_BORE: f64 = 0.5;
/// Share of the motor's power that reaches the cut: what belts, gears and bearings leave.
const MOTOR_SHARE: f64 = 0.7;
/// Most a bar standing out may give under a roughing cut, mm: half of what the last cut leaves on the radius.
const GIVES_MM: f64 = FINISH_MM / 4.0;
/// Rows shown; of more the first and the last.
const SHOWN: usize = 6;

/// What bounds the depth of a roughing cut.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub(super) enum Bound {
    Usual,
    Motor,
    StickOut,
}

impl Bound {
    const fn word(self) -> &'static str {
        match self {
            Self::Usual => "usual",
            Self::Motor => "motor",
            Self::StickOut => "stick-out",
        }
    }
}

/// The cuts that rough a blank: how many, how deep each on the radius, mm, and what bounds them.
pub(super) struct Roughing {
    pub cuts: usize,
    pub each_mm: f64,
    pub bound: Bound,
}

/// Lays them out between two diameters, mm; `feed` in mm a turn, `rpm` the spindle's.
#[allow(clippy::cast_possible_truncation, clippy::cast_sign_loss, clippy::cast_precision_loss)] // a handful of cuts
pub(super) fn lay_out(member: &Member<'_>, from: f64, to: f64, feed: f64, rpm: f64) -> Roughing {
    let (facts, lathe) = (&member.facts.blank, member.lathe);
    let inside = member.plan.thread.side == Side::Internal;
    let depth = (((from - to).abs() - FINISH_MM) / 2.0).max(0.0);
    let size = match lathe.screw_mm {
        Some(mm) if mm < MIDDLE_SCREW_MM => USUAL_MM[0],
        Some(mm) if mm >= LARGE_SCREW_MM => USUAL_MM[2],
        _ => USUAL_MM[1],
    };
    let mut bound = (size * if inside { IN_BORE } else { 1.0 }, Bound::Usual);
    // Pressure after Kienzle at a chip as thick as the feed.
    let pressure = (PRESSURE.eval)(&[facts.material.kc1_n_mm2, feed, 1.0]);
    let surface = PI * from.max(to) * rpm / 1000.0;
    if let Some(watts) = lathe.motor_w.filter(|_| surface > 0.0) {
        let most = MOTOR_SHARE * watts * 60.0 / (pressure * feed * surface);
        if most < bound.0 {
            bound = (most, Bound::Motor);
        }
    }
    let free = !inside && facts.support == Support::None && facts.holding != Some(Holding::Centres);
    if free {
        // Half of the force is radial.
        let out = facts.stick_out_mm.unwrap_or(member.plan.thread.length_mm.value);
        let gives = (BEND_FREE.eval)(&[1.0, out, facts.material.modulus_gpa * 1000.0, to]);
        let most = 2.0 * GIVES_MM / gives / (pressure * feed);
        if most < bound.0 {
            bound = (most, Bound::StickOut);
        }
    }
    let least = facts.material.least_cut_mm;
    let cuts = if depth < least { 0 } else { (depth / bound.0.max(least) - 1e-9).ceil() as usize };
    Roughing { cuts, each_mm: if cuts == 0 { 0.0 } else { depth / cuts as f64 }, bound: bound.1 }
}

/// The rows of the card, from the bar or the hole as it is: each cut's diameter and the cross-slide's setting for it, touched at nought.
#[allow(clippy::cast_precision_loss)] // a handful of cuts
pub(super) fn rows(member: &Member<'_>, from: f64, to: f64, (feed, rpm): (f64, f64), voice: Voice) -> Vec<CardLine> {
    let cuts = lay_out(member, from, to, feed, rpm);
    let dial = DepthDial::new(SlideName::CrossSlide, &member.lathe.cross_slide, 0.0).said_in(voice.words);
    let inside = member.plan.thread.side == Side::Internal;
    let way = if inside { 1.0 } else { -1.0 };
    let row = |n: usize| {
        let deep = dial.shallow(cuts.each_mm * n as f64);
        let diameter = voice.length(from + way * 2.0 * deep.radial_mm);
        words(say!(voice, "line-of-rough", n = n), say!(voice, "card-rough", diameter = diameter, dial = deep.setting.text))
    };
    let shown: Vec<usize> = if cuts.cuts > SHOWN { vec![1, 2, cuts.cuts] } else { (1..=cuts.cuts).collect() };
    let mut lines: Vec<CardLine> = shown.into_iter().map(row).collect();
    if cuts.cuts > 0 {
        let each = voice.about(cuts.each_mm);
        let says = say!(voice, "card-rough-each", n = cuts.cuts, each = each, bound = cuts.bound.word(), feed = voice.given(feed));
        lines.push(words(say!(voice, "line-of-roughing"), says));
    }
    lines.push(words(say!(voice, "line-of-finish"), say!(voice, "card-finish", left = voice.given(FINISH_MM))));
    lines
}
