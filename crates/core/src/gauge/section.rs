//! The gauge section of a plan.

use super::chosen::Chosen;
use super::functional::Functional;
use super::{drawing, rules};
use crate::bit::Tip;
use crate::cut::PassRow;
use crate::job::{GaugeFacts, Kit, LeadCorrection};
use crate::outline::Drawing;
use crate::run::READING_DOUBT_MM;
use crate::say;
use crate::thread::form::Thread;
use crate::thread::{Groove, NoSeat, Seat, Side, bears, rules as thread_rules};
use crate::voice::Voice;
use crate::watch::{Code, Level, Watch};
use crate::working::{Num, Quantity, Worksheet};
use serde::Serialize;

/// Sizes over wires by the formulas there are.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Formulas {
    /// Lead angle neglected.
    pub simple: Quantity,
    /// Corrected to first order.
    pub approximate: Quantity,
    /// Where the wires really rest; absent where they find no seat.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub exact: Option<Quantity>,
    /// Which is used, and how far the others are from it.
    pub says: String,
}

/// Which of the formulas is used.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
enum LeadFormula {
    Simple,
    Approximate,
    Exact,
}

/// Sizes over the wire chosen.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Wires {
    /// At the least pitch diameter.
    pub min: Quantity,
    /// At the largest pitch diameter.
    pub max: Quantity,
    /// At the pitch diameter aimed at.
    pub target: Quantity,
}

/// Usable range of wires.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Usable {
    /// Least that stands above the crests.
    pub min: Quantity,
    /// Largest that bears on the flank.
    pub max: Quantity,
}

/// How the size is proven.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct GaugeSection {
    /// Least pitch diameter.
    pub min_mm: Quantity,
    /// Largest pitch diameter.
    pub max_mm: Quantity,
    /// Best wire; absent where the sides are straight and no wire seats.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub best_mm: Option<Quantity>,
    /// Usable range.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub usable_mm: Option<Usable>,
    /// Wire chosen from those owned; null when none will do, or inside.
    pub wire_mm: Option<Quantity>,
    /// Sizes over it.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub over_wires_mm: Option<Wires>,
    /// By each formula, at the size aimed at.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub formulas: Option<Formulas>,
    /// Whether the lead correction is in the sizes shown.
    pub corrected: bool,
    /// What a mate feels beside the pitch diameter, where that is anything, or it would be tight.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub functional: Option<Functional>,
    /// How to prove the size, in words.
    pub says: String,
    /// Wires in the groove.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub drawing: Option<Drawing>,
}

/// Works the wires, and writes the size over them into each pass that will bear them.
#[allow(clippy::too_many_arguments)] // the last station hangs on all before it
pub(crate) fn reckon(
    sheet: &mut Worksheet,
    facts: &GaugeFacts,
    kit: &Kit,
    thread: &Thread,
    tip: &Tip,
    start: Num,
    target: Num,
    passes: &mut [PassRow],
    watch: &mut Vec<Watch>,
) -> (Option<Chosen>, GaugeSection) {
    let voice = sheet.voice();
    if thread.alpha_deg <= 0.0 {
        return (None, by_depth(sheet, thread, target));
    }
    // By the crest really turned and the size aimed at, where the crest was measured.
    let at = if facts.crest_measured { [start, target] } else { [thread.major, thread.basic.pitch] };
    let [best, least, largest] = wires(sheet, thread, at);
    let external = thread.spec.side == Side::External;
    let (low, high) = thread.own.pitch;
    let drawer = Drawer { kit, thread, crest: start.value, depth: tip.h.value, range: [best, least, largest].map(|n| n.value) };
    let wire = if external { drawer.pick(low.value, target.value) } else { None };
    if external {
        drawer.tell(wire, target.value, voice, watch);
    }
    let read = wire.map(|w| over_it(sheet, facts, thread, w, target, watch));
    if let (Some(w), Some(read)) = (wire, &read) {
        for pass in passes.iter_mut() {
            let e = line_of(pass);
            if drawer.bears_at(w, e.value).is_ok() {
                pass.over_wires_mm = Some(Quantity::length(voice, over(sheet, thread, read.used, e, w.into())));
            }
        }
    }
    let chosen = wire.zip(read.as_ref()).map(|(w, r)| Chosen { wire: w, sum: r.at_target - target.value, corrected: r.used != LeadFormula::Simple });
    let says = match (external, wire) {
        (true, Some(w)) => say!(voice, "proof-three-wires", wire = voice.length(w)),
        (true, None) => say!(voice, "proof-no-wires"),
        (false, _) => say!(voice, "proof-inside"),
    };
    let drawing = chosen.map(|c| drawing::wires(thread, target.value, start.value, tip.h.value, c, voice));
    let section = GaugeSection {
        min_mm: Quantity::length(voice, low),
        max_mm: Quantity::length(voice, high),
        best_mm: Some(Quantity::length(voice, best)),
        usable_mm: Some(Usable { min: Quantity::length(voice, least), max: Quantity::length(voice, largest) }),
        wire_mm: wire.map(|v| Quantity::length(voice, v)),
        corrected: read.as_ref().is_some_and(|r| r.used != LeadFormula::Simple),
        over_wires_mm: read.as_ref().map(|r| r.sizes.clone()),
        formulas: read.map(|r| r.formulas),
        functional: None,
        says,
        drawing,
    };
    (chosen, section)
}

/// The wires owned, and the thread they are to rest in.
struct Drawer<'a> {
    kit: &'a Kit,
    thread: &'a Thread,
    /// Diameter of the crests, mm.
    crest: f64,
    /// Depth from the pitch line to the tip, mm.
    depth: f64,
    /// The best wire, the least and the largest, mm.
    range: [f64; 3],
}

impl Drawer<'_> {
    fn bears_at(&self, wire: f64, size: f64) -> Result<(), NoSeat> {
        bears(&groove_at(self.thread, size), wire, self.crest, self.depth)
    }

    fn off_best(&self, wire: f64) -> f64 {
        (wire - self.range[0]).abs()
    }

    /// Of those the standard sizes allow, one that stands proud of these crests down to the low limit; a shallow thread cut low lets the
    /// nearest to the best lie under them.
    fn pick(&self, low: f64, target: f64) -> Option<f64> {
        let [_, least, largest] = self.range;
        let usable = |w: &f64| *w >= least && *w <= largest;
        let nearest = |serves: &dyn Fn(f64) -> bool| {
            let all = self.kit.wires_mm.iter().copied().filter(usable).filter(|w| serves(*w));
            all.min_by(|a, b| self.off_best(*a).total_cmp(&self.off_best(*b)))
        };
        nearest(&|w| self.bears_at(w, low).is_ok() && self.bears_at(w, target).is_ok())
            .or_else(|| nearest(&|w| self.bears_at(w, target).is_ok()))
            .or_else(|| nearest(&|_| true))
    }

    /// What is to be got, where none serves.
    fn tell(&self, wire: Option<f64>, target: f64, voice: Voice, watch: &mut Vec<Watch>) {
        let [best, least, largest] = self.range;
        let text = match wire.map(|w| (w, self.bears_at(w, target))) {
            Some((_, Ok(()))) => return,
            Some((w, Err(why))) => {
                let (wire, why, down_to, up_to) = (voice.length(w), why.word(), voice.length(least), voice.length(largest));
                say!(voice, "wire-at-aim", wire = wire, why = why, down_to = down_to, up_to = up_to)
            }
            None => {
                let nearest = self.kit.wires_mm.iter().copied().min_by(|a, b| self.off_best(*a).total_cmp(&self.off_best(*b)));
                let get = voice.length(best.clamp(least, largest.max(least)));
                let [from, to] = [least, largest].map(|mm| voice.length(mm));
                match nearest {
                    None => say!(voice, "wires-none-listed", get = get, from = from, to = to),
                    Some(w) => {
                        let why = if w < least { NoSeat::BelowCrests } else { NoSeat::OnCrests };
                        say!(voice, "wires-none-serves", nearest = voice.length(w), why = why.word(), get = get, from = from, to = to)
                    }
                }
            }
        };
        watch.push(Watch::new(Level::Warn, Code::WireUnusable, "gauge", text));
    }
}

/// What is read over the wires chosen.
struct OverWires {
    used: LeadFormula,
    at_target: f64,
    sizes: Wires,
    formulas: Formulas,
}

/// The size over wires by a formula.
fn over(sheet: &mut Worksheet, thread: &Thread, used: LeadFormula, e: Num, w: Num) -> Num {
    let simple = over_wires(sheet, thread, e, w);
    match used {
        LeadFormula::Simple => simple,
        LeadFormula::Approximate => {
            let c = lead_correction(sheet, thread, e, w);
            sheet.apply(&rules::CORRECTED, [simple, c])
        }
        LeadFormula::Exact => {
            let seat = groove_at(thread, e.value).seat(w.value);
            sheet.apply(&rules::SETTLED, [simple, Num::from(higher(seat, simple))])
        }
    }
}

/// The sizes over a wire at both limits and at the aim, by the formula that serves, beside the others.
fn over_it(sheet: &mut Worksheet, facts: &GaugeFacts, thread: &Thread, wire: f64, target: Num, watch: &mut Vec<Watch>) -> OverWires {
    let (voice, w) = (sheet.voice(), Num::from(wire));
    let simple = over(sheet, thread, LeadFormula::Simple, target, w);
    let seat = groove_at(thread, target.value).seat(wire);
    let by = [simple, over(sheet, thread, LeadFormula::Approximate, target, w), sheet.apply(&rules::SETTLED, [simple, Num::from(higher(seat, simple))])];
    let used = which(facts.lead_correction, thread, by.map(|n| n.value));
    if let Some(other) = seat.and_then(|s| s.other_over_mm) {
        watch.push(Watch::new(Level::Warn, Code::WireTwoSeats, "gauge", say!(voice, "wires-second-seat", other = voice.length(other))));
    }
    let formulas = Formulas {
        simple: Quantity::length(voice, by[0]),
        approximate: Quantity::length(voice, by[1]),
        exact: seat.map(|_| Quantity::length(voice, by[2])),
        says: apart(used, by.map(|n| n.value), voice),
    };
    let (low, high) = thread.own.pitch;
    let sizes = Wires {
        min: Quantity::length(voice, over(sheet, thread, used, low, w)),
        max: Quantity::length(voice, over(sheet, thread, used, high, w)),
        target: Quantity::length(voice, by[used as usize]),
    };
    OverWires { used, at_target: by[used as usize].value, sizes, formulas }
}

/// The best wire, the least that stands above the crests and the largest that bears on the flanks.
fn wires(sheet: &mut Worksheet, thread: &Thread, [crest, size]: [Num; 2]) -> [Num; 3] {
    let (pitch, flanks) = (thread.pitch, thread.flanks);
    // What the crest's rounding takes of the flank.
    let rounded = (thread.major.value - thread.basic.pitch.value) / 2.0 - thread.straight_flank();
    [
        flanks.apply(sheet, [&rules::BEST_WIRE, &rules::BEST_WIRE_BETWEEN], &[pitch]),
        flanks.apply(sheet, [&rules::LEAST_WIRE, &rules::LEAST_WIRE_BETWEEN], &[crest, size, pitch]),
        flanks.apply(sheet, [&rules::LARGEST_WIRE, &rules::LARGEST_WIRE_BETWEEN], &[((crest.value - size.value) / 2.0 - rounded).into(), pitch]),
    ]
}

/// Size over three wires, lead angle neglected.
fn over_wires(sheet: &mut Worksheet, thread: &Thread, e: Num, w: Num) -> Num {
    thread.flanks.apply(sheet, [&rules::OVER_WIRES, &rules::OVER_WIRES_BETWEEN], &[e, w, thread.pitch])
}

/// What the lead angle adds to it, to first order.
fn lead_correction(sheet: &mut Worksheet, thread: &Thread, e: Num, w: Num) -> Num {
    thread.flanks.apply(sheet, [&rules::LEAD_CORRECTION, &rules::LEAD_CORRECTION_BETWEEN], &[w, thread.lead, e])
}

/// How much higher than by the simple formula a wire rests, mm. The search for it ends well within a nanometre; past that its figures are noise.
fn higher(seat: Option<Seat>, simple: Num) -> f64 {
    seat.map_or(0.0, |s| ((s.over_mm - simple.value) * 1e8).round() / 1e8)
}

/// The groove at a pitch diameter.
fn groove_at(thread: &Thread, pitch_diameter_mm: f64) -> Groove {
    Groove { pitch_diameter_mm, pitch_mm: thread.pitch.value, lead_mm: thread.lead.value, flanks: thread.flanks }
}

/// The formula used: as asked, or by the habit of the trade, which is left where it would be out by more than a reading's doubt.
fn which(asked: LeadCorrection, thread: &Thread, [simple, approximate, exact]: [f64; 3]) -> LeadFormula {
    let (habit, by_habit) =
        if thread.spec.starts > 1 || thread.alpha_deg < 20.0 { (LeadFormula::Approximate, approximate) } else { (LeadFormula::Simple, simple) };
    match asked {
        LeadCorrection::None => LeadFormula::Simple,
        LeadCorrection::Approximate => LeadFormula::Approximate,
        LeadCorrection::Exact => LeadFormula::Exact,
        LeadCorrection::Auto if (by_habit - exact).abs() > READING_DOUBT_MM => LeadFormula::Exact,
        LeadCorrection::Auto => habit,
    }
}

/// Which is used, and how far the others are from it, in words.
fn apart(used: LeadFormula, by: [f64; 3], voice: Voice) -> String {
    let names = ["simple", "corrected", "exact"];
    let here = by[used as usize];
    let off = |i: usize| {
        let more = by[i] - here;
        let way = match more {
            m if m.abs() < 5e-5 => "same",
            m if m > 0.0 => "more",
            _ => "less",
        };
        say!(voice, "formula-off", name = names[i], by = voice.micro(more.abs()), way = way)
    };
    let others: Vec<String> = (0..3).filter(|i| *i != used as usize).map(off).collect();
    let shows = if by.iter().all(|v| (v - here).abs() <= READING_DOUBT_MM) { "no" } else { "yes" };
    say!(voice, "formula-used", name = names[used as usize], others = others.join(", "), shows = shows)
}

/// Straight sides: no wire seats, so depth and the mate prove the size.
fn by_depth(sheet: &mut Worksheet, thread: &Thread, target: Num) -> GaugeSection {
    let voice = sheet.voice();
    let depth = sheet.apply(&thread_rules::HALF_OF, [thread.basic.pitch, thread.basic.minor]);
    let says = match thread.spec.side {
        Side::External => say!(voice, "proof-straight-screw", root = voice.length(target.value - 2.0 * depth.value)),
        Side::Internal => say!(voice, "proof-straight-nut", groove = voice.length(target.value + 2.0 * depth.value)),
    };
    let (low, high) = thread.own.pitch;
    GaugeSection {
        min_mm: Quantity::length(voice, low),
        max_mm: Quantity::length(voice, high),
        best_mm: None,
        usable_mm: None,
        wire_mm: None,
        over_wires_mm: None,
        formulas: None,
        corrected: false,
        functional: None,
        says,
        drawing: None,
    }
}

/// A pass's pitch diameter as a number that still knows its working.
fn line_of(pass: &PassRow) -> Num {
    pass.pitch_diameter_mm.num()
}
