//! What a mistake does to the groove: the same simulation with the mistake in it.

use crate::cut::{Edge, Field};
use crate::job::defaults::BACKLASH_MM;
use crate::outline::{Drawing, Shape};
use crate::plan::Pointed;
use crate::quantity::plain_text;
use crate::say;
use crate::sheets::cutting::{Cutting, Stroke};
use crate::voice::ScrewGrip;
use crate::working::Quantity;
use serde::Serialize;

/// A mistake at the lathe.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Mistaken {
    /// The half-nut closed a leadscrew pitch off, in the middle of the cut.
    WrongMark,
    /// The compound leaned the other way.
    LeanedOtherWay,
    /// The compound set from the wrong end of its scale.
    ScaleOtherEnd,
    /// The tool off square.
    OffSquare,
    /// The tip wider than was told.
    TipTooWide,
    /// One pass twice as deep.
    TwiceAsDeep,
    /// A pass begun without taking the backlash up.
    Backlash,
}

/// What comes of one.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct WhatIf {
    /// Which.
    pub mistake: Mistaken,
    /// The question.
    pub asks: String,
    /// What comes of it, and what to do.
    pub says: String,
    /// How far off the pitch diameter the groove acts at the pitch line; of a square thread, how much wider it is.
    pub acts_mm: Quantity,
    /// The groove it leaves, the one meant dashed over it.
    pub drawing: Drawing,
}

/// Off square by this much is what a fishtail gauge lets by unseen, degrees. House value.
const SQUARE_DEG: f64 = 1.0;
/// A flat this much wider than was told is what a glass and a rule let by, mm. House value.
const WIDER_MM: f64 = 0.1;

/// How far off the pitch diameter a groove acts for being wider at the pitch line than it should be, mm.
fn acts(cutting: &Cutting<'_>, meant: &Field, field: &Field) -> f64 {
    let line = meant.pitch_line(cutting.flanks.half_deg());
    let wider = field.width_at(line) - meant.width_at(line);
    if cutting.flanks.half_deg() > 0.0 { wider / cutting.flanks.half_deg().to_radians().tan() } else { wider }
}

/// Every mistake that can be made on this job.
pub(super) fn all(plan: &Pointed<'_>, cutting: &Cutting<'_>, meant: &Field) -> Vec<WhatIf> {
    if cutting.passes.is_empty() {
        return Vec::new();
    }
    let mut tried = Tried { plan, cutting, meant, list: Vec::new() };
    tried.half_nut();
    tried.slide();
    tried.tool();
    tried.hands();
    tried.list
}

/// Mistakes tried on the job's own passes.
struct Tried<'a> {
    plan: &'a Pointed<'a>,
    cutting: &'a Cutting<'a>,
    meant: &'a Field,
    list: Vec<WhatIf>,
}

impl Tried<'_> {
    fn put(&mut self, mistake: Mistaken, asks: String, field: &Field, says: impl Fn(&'static str, String) -> String) {
        let (cutting, meant) = (self.cutting, self.meant);
        let off = acts(cutting, meant, field);
        let deepest = field.deepest().max(meant.deepest());
        let drawing = Drawing::framed(
            self.plan.voice,
            asks.clone(),
            cutting.bounds(deepest),
            vec![
                cutting.metal("cut.metal", &cutting.drawn(field), deepest),
                Shape::open("cut.surface", cutting.drawn(field)),
                Shape::open("cut.meant", cutting.drawn(meant)),
            ],
            Vec::new(),
        );
        self.list.push(WhatIf {
            mistake,
            asks,
            says: says(self.acts_as(), self.plan.voice.length(off.abs())),
            acts_mm: Quantity::length(self.plan.voice, off),
            drawing,
        });
    }

    /// What being wider comes to, as sentences tell them apart.
    fn acts_as(&self) -> &'static str {
        if self.cutting.flanks.half_deg() <= 0.0 { "groove" } else { "size" }
    }

    /// The half-nut closed at a wrong place.
    fn half_nut(&mut self) {
        let (cutting, voice) = (self.cutting, self.plan.voice);
        // What is always engaged closes nowhere else.
        if self.plan.setup.screw != ScrewGrip::HalfNut {
            return;
        }
        let Some(shift) = one_pitch_off(self.plan, cutting.pitch) else { return };
        let middle = cutting.passes.len() / 2;
        let field = cutting.run(|i, s| if i == middle { Stroke { at: s.at + shift, ..s } } else { s });
        self.put(Mistaken::WrongMark, say!(voice, "what-if-wrong-mark"), &field, |_, _| say!(voice, "what-if-wrong-mark-says", along = voice.length(shift)));
    }

    /// The slide leaned the other way, or set from the wrong end of its scale.
    fn slide(&mut self) {
        let (plan, voice) = (self.plan, self.plan.voice);
        if self.cutting.lean <= 0.0 {
            return;
        }
        let field = Cutting { lean: -self.cutting.lean, ..Cutting::of(plan) }.run(|_, s| s);
        self.put(Mistaken::LeanedOtherWay, say!(voice, "what-if-leaned"), &field, |_, _| say!(voice, "what-if-leaned-says"));
        let angle = 90.0 - plan.cut.angle_deg;
        let field = Cutting { lean: angle.to_radians().tan(), ..Cutting::of(plan) }.run(|_, s| s);
        self.put(Mistaken::ScaleOtherEnd, say!(voice, "what-if-scale", angle = plain_text(angle, 1)), &field, |acts, by| {
            say!(voice, "what-if-scale-says", acts = acts, by = by)
        });
    }

    /// The tool off square, or its tip wider than was told.
    fn tool(&mut self) {
        let (plan, cutting, voice) = (self.plan, self.cutting, self.plan.voice);
        let flat = plan.bit.flat_mm.value;
        let reach = 4.0 * cutting.full + 1.0;
        let with = |edge: Edge| Cutting { form: edge, ..Cutting::of(plan) };
        if cutting.flanks.half_deg() > 0.0 {
            let field = with(Edge::flat(flat, [cutting.flanks.leading - SQUARE_DEG, cutting.flanks.trailing + SQUARE_DEG], reach)).run(|_, s| s);
            let by = plain_text(SQUARE_DEG, 0);
            self.put(Mistaken::OffSquare, say!(voice, "what-if-off-square", deg = &by), &field, |acts, off| {
                say!(voice, "what-if-off-square-says", deg = &by, acts = acts, by = off)
            });
        }
        let field = with(Edge::flat(flat + WIDER_MM, cutting.flanks.both(), reach)).run(|_, s| s);
        self.put(Mistaken::TipTooWide, say!(voice, "what-if-tip", wider = voice.length(WIDER_MM)), &field, |acts, by| {
            say!(voice, "what-if-tip-says", acts = acts, by = by)
        });
    }

    /// The last cut taken twice as deep, and a pass begun without its backlash taken up.
    fn hands(&mut self) {
        let (cutting, voice) = (self.cutting, self.plan.voice);
        let deepest = cutting.passes.iter().position(|p| p.radial_mm >= cutting.full - 1e-9).unwrap_or(0);
        let step = deepest.checked_sub(1).and_then(|i| cutting.passes.get(i)).map_or(cutting.full, |p| cutting.full - p.radial_mm);
        let field = cutting.run(|i, s| if i == deepest { Stroke { at: s.at - step * cutting.lean, depth: s.depth + step } } else { s });
        self.put(Mistaken::TwiceAsDeep, say!(voice, "what-if-twice"), &field, |acts, by| {
            say!(voice, "what-if-twice-says", more = voice.length(step), acts = acts, by = by)
        });
        let backlash = BACKLASH_MM.min(cutting.pitch / 4.0);
        let middle = cutting.passes.len() / 2;
        let field = cutting.run(|i, s| if i == middle { Stroke { at: s.at + backlash, ..s } } else { s });
        self.put(Mistaken::Backlash, say!(voice, "what-if-backlash", late = voice.length(backlash)), &field, |acts, by| {
            say!(voice, "what-if-backlash-says", acts = acts, by = by)
        });
    }
}

/// How far along the work a half-nut closed one leadscrew pitch off puts the bit; nothing where that is the same groove.
fn one_pitch_off(plan: &Pointed<'_>, pitch: f64) -> Option<f64> {
    let hung = plan.gears.hung.as_ref()?;
    let (n, d) = hung.train.ratio.split_once('/')?;
    let ratio = n.trim().parse::<f64>().ok()? / d.trim().parse::<f64>().ok()?;
    let shift = (hung.lead_mm.value / ratio).rem_euclid(pitch);
    (shift > 1e-6 && pitch - shift > 1e-6).then_some(shift)
}
