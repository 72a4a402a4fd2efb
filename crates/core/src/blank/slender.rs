//! How far the work gives under the cut, and what that asks for at the far end.

use super::rules;
use crate::job::{BlankFacts, Holding, Support};
use crate::quantity::{SHOWN_MM, plain_text};
use crate::say;
use crate::stiffness::GIVES;
use crate::thread::Side;
use crate::thread::form::Thread;
use crate::watch::{Code, Level, Watch};
use crate::working::{Num, Quantity, Worksheet};
use serde::Serialize;

/// How slender the work is.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Slenderness {
    /// Stick-out over diameter.
    pub ratio: Quantity,
    /// How it is held at the far end.
    pub support: Support,
    /// Force of the last cut, N.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub force_n: Option<Quantity>,
    /// How much the last cut changes its diameter by bending it; absent with a steady beside the cut.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub bends_mm: Option<Quantity>,
    /// The support that holds it well enough, where this one does not.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub asks: Option<Support>,
    /// What to do about it.
    pub says: String,
}

/// A screw as a beam.
#[derive(Debug, Clone, Copy)]
pub(crate) struct Beam {
    out: Num,
    length: f64,
    used: Num,
    root: Num,
    modulus: f64,
    tensile: f64,
    support: Support,
    between: bool,
}

/// The beam a screw is; a bore is held by its wall.
pub(crate) fn beam(facts: &BlankFacts, thread: &Thread, used: Num, root: Num) -> Option<Beam> {
    (thread.spec.side == Side::External).then(|| Beam {
        out: facts.stick_out_mm.unwrap_or(thread.length).max(thread.length).into(),
        length: thread.length,
        used,
        root: if root.value > 0.05 * used.value { root } else { (0.05 * used.value).into() },
        modulus: facts.material.modulus_gpa * 1000.0,
        tensile: facts.material.tensile_n_mm2,
        support: facts.support,
        between: facts.holding == Some(Holding::Centres),
    })
}

impl Beam {
    /// How far it gives under each newton, mm, held so; nought beside a steady.
    fn gives(&self, sheet: &mut Worksheet, support: Support) -> Option<Num> {
        let ends = match support {
            Support::None => 0.0,
            Support::Centre if self.between => 2.0,
            Support::Centre => 1.0,
            Support::Steady => return None,
        };
        Some(sheet.apply(&GIVES, [self.out, self.length.into(), self.used, self.root, self.modulus.into(), ends.into()]))
    }

    /// The most force it stands, N: that gives no more than `most_mm` under the radial half of it, and no more than half its strength.
    pub(crate) fn stands_n(&self, sheet: &mut Worksheet, most_mm: f64) -> Option<f64> {
        let gives = self.gives(sheet, self.support)?;
        Some((most_mm / (gives.value / 2.0)).min(self.tensile / 2.0 / self.stress_per_newton()))
    }

    /// Bending stress at the root where it is clamped, N/mm² for each newton: M/W, W = πd³/32.
    fn stress_per_newton(&self) -> f64 {
        // On a centre the greatest moment of a load anywhere along it is F·L/(3√3), or a quarter of F·L between two.
        let arm = match self.support {
            Support::None => self.out.value,
            Support::Centre if self.between => self.out.value / 4.0,
            Support::Centre => self.out.value / (3.0 * 3_f64.sqrt()),
            // Beside the cut, it takes the load itself.
            Support::Steady => 0.0,
        };
        32.0 * arm / (std::f64::consts::PI * self.root.value.powi(3))
    }
}

/// The cuts it must stand: force and depth of the last, and of the one that takes most.
#[derive(Debug, Clone, Copy)]
pub(crate) struct Cuts {
    pub last_n: Num,
    pub most_n: Num,
    /// How far that one goes in, mm radial.
    pub most_step: f64,
    /// How many times as much a pass may take once the work is held better.
    pub bolder: f64,
}

/// How much more force the last cut may have once the passes are laid out anew, at least. House value.
const LAID_ANEW: f64 = 1.8;

/// Thinnest work that takes a center hole in its end, mm. House value: the smallest center drill's countersink leaves it no rim under this.
const CENTRED_FROM_MM: f64 = 3.0;
/// Thinnest work that the fingers of a steady bear on, mm. House value.
const STEADIED_FROM_MM: f64 = 5.0;

/// Judges the bending under the cuts planned, by a tenth of the tolerance.
pub(crate) fn reckon(sheet: &mut Worksheet, beam: &Beam, cuts: Option<Cuts>, tolerance: f64, watch: &mut Vec<Watch>) -> Slenderness {
    let voice = sheet.voice();
    let ratio = sheet.apply(&rules::SLENDER, [beam.out, beam.used]);
    let out = plain_text(ratio.value, 1);
    let bends = cuts.and_then(|c| beam.gives(sheet, beam.support).map(|g| (c, sheet.apply(&rules::BENT, [g, c.last_n]))));
    let allowed = tolerance / 10.0;
    let climbs = bends.filter(|(c, b)| c.last_n.value > 0.0 && b.value / c.last_n.value * c.most_n.value / 2.0 > c.most_step.max(1e-6));
    let breaks = cuts.filter(|c| c.most_n.value * beam.stress_per_newton() > beam.tensile);
    // Held better, the cuts are laid out bolder again, the last of them with the others: force goes at most as the area.
    let serves = |sheet: &mut Worksheet, support| {
        let held = Beam { support, ..*beam };
        cuts.is_none_or(|c| {
            let harder = c.bolder.max(LAID_ANEW);
            let c = Cuts { last_n: (c.last_n.value * harder).into(), most_n: (c.most_n.value * harder).into(), ..c };
            let firm = held
                .gives(sheet, support)
                .is_none_or(|g| g.value * c.last_n.value <= allowed + SHOWN_MM && g.value * c.most_n.value / 2.0 <= c.most_step.max(1e-6));
            firm && c.most_n.value * held.stress_per_newton() <= beam.tensile
        })
    };
    let too_much = climbs.is_some() || breaks.is_some() || bends.is_some_and(|(_, b)| b.value > allowed + SHOWN_MM);
    let asks = if too_much {
        let centre = beam.support == Support::None && beam.used.value >= CENTRED_FROM_MM && serves(&mut Worksheet::default(), Support::Centre);
        let steady = beam.support != Support::Steady && beam.used.value >= STEADIED_FROM_MM;
        if centre { Some(Support::Centre) } else { steady.then_some(Support::Steady) }
    } else {
        None
    };
    let worse = match (breaks, climbs) {
        (Some(_), _) => "breaks",
        (None, Some(_)) => "climbs",
        (None, None) => "no",
    };
    let asked = match asks {
        Some(Support::Centre) => "center",
        Some(_) => "steady",
        None if too_much => "nothing",
        None => "no",
    };
    let says = match bends {
        None => say!(voice, "slender-out", out = &out, asks = asked, worse = worse),
        Some((c, b)) => {
            let (shows, by) = (if b.value < SHOWN_MM { "no" } else { "yes" }, voice.roughly(b.value));
            let (force, harmless) = (voice.force(c.last_n.value), voice.length(allowed));
            say!(voice, "slender-bends", out = &out, force = force, shows = shows, by = by, harmless = harmless, asks = asked, worse = worse)
        }
    };
    if too_much {
        watch.push(Watch::new(Level::Warn, Code::Stickout, "blank", says.clone()));
    }
    Slenderness {
        ratio: Quantity::plain(ratio, 1, " diameters"),
        support: beam.support,
        force_n: cuts.map(|c| Quantity { text: voice.force(c.last_n.value), ..Quantity::plain(c.last_n, 0, " N") }),
        bends_mm: bends.map(|(_, b)| Quantity::length(voice, b)),
        asks,
        says,
    }
}
