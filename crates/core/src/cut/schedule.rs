//! How many passes, and how deep each goes.

use super::rules;
use crate::job::{DepthLaw, OwnRow};
use crate::working::{Num, Worksheet};
use serde::{Deserialize, Serialize};

/// What a pass is for.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum PassKind {
    /// Proves the pitch.
    Scratch,
    /// Roughs with the narrower stocking tool.
    Stocking,
    /// Removes metal.
    Cut,
    /// Takes out what sprang away; no infeed.
    Spring,
    /// Asked for by a measurement.
    Measured,
    /// A step of a die or a tap, which no dial sets.
    Chased,
}

/// Depth of the scratch pass, mm radial: enough to see, too little to spoil.
pub(super) const SCRATCH_MM: f64 = 0.05;
/// Infeed under which there is nothing to cut, mm radial.
pub(super) const NOTHING_MM: f64 = 0.01;
/// More passes than this are never proposed.
const MOST: u32 = 200;
/// Share of the boldest first cut that every pass may go deeper by, when all go the same: the chip grows wider with depth.
/// House value.
const EVEN_SHARE: f64 = 0.5;

/// How boldly and how finely a pass may cut.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Bounds {
    /// Deepest first cut, mm radial.
    pub first_mm: f64,
    /// Most any pass may take, mm².
    pub area_mm2: f64,
    /// The same were the work not slender, mm².
    pub unslender_mm2: f64,
    /// Least cut that still cuts rather than rubs, and that the dial can be set to, mm radial.
    pub least_mm: f64,
}

/// What is to be shared out.
#[derive(Debug, Clone, Copy)]
pub struct Spread<'a> {
    /// Depth the passes start from, mm radial; 0 from the surface.
    pub from: Num,
    /// Full depth.
    pub total: Num,
    /// Flat the tip is worth.
    pub flat: Num,
    /// Half angle, degrees.
    pub alpha_deg: f64,
    /// How many, when that was asked for.
    pub passes: Option<u32>,
    /// How boldly, how finely.
    pub bounds: Bounds,
    /// The law.
    pub law: DepthLaw,
    /// Passes set by hand; those after one are shared out anew from it.
    pub own: &'a [OwnRow],
}

impl Spread<'_> {
    /// Area of the groove at a depth, mm².
    fn area(&self, depth: f64) -> f64 {
        (rules::GROOVE_AREA.eval)(&[self.flat.value, depth, self.alpha_deg])
    }

    /// How many passes there are, and how deep the first goes where it is held to its bound and the law runs on from it.
    fn count(&self) -> (u32, Option<f64>) {
        let (from, total) = (self.from.value, self.total.value);
        let (depth, Bounds { first_mm, area_mm2, least_mm, .. }) = (total - from, self.bounds);
        // The least wins: no more passes than still cut.
        let at_most = |n: f64| whole(n.clamp(1.0, f64::from(MOST)));
        if self.alpha_deg <= 0.0 || self.law == DepthLaw::ConstantDepth {
            // The last is the widest.
            let width = (self.area(total) - self.area(total - 0.01 * depth)) / (0.01 * depth).max(1e-12);
            let step = (EVEN_SHARE * first_mm).min(area_mm2 / width.max(1e-12)).max(least_mm);
            return (at_most((depth / step - 1e-9).ceil().min((depth / least_mm + 1e-9).floor())), None);
        }
        let whole_area = self.area(total) - self.area(from);
        let first = first_mm.min(depth);
        let first_area = self.area(from + first) - self.area(from);
        let bold = (whole_area / first_area.min(area_mm2) - 1e-9).ceil();
        // What the last must take at least, to cut at all.
        let last = self.area(total) - self.area(total - least_mm.min(depth));
        let fine = (whole_area / last + 1e-9).floor();
        if bold <= fine {
            return (at_most(bold), None);
        }
        // Clipped, the first leaves the rest to be shared by passes that still cut.
        let clipped = first.min(self.depth_of(self.area(from) + area_mm2) - from).max(least_mm);
        let rest = whole_area - (self.area(from + clipped) - self.area(from));
        // Where what it leaves would only be rubbed at, it takes that too.
        if rest < last * (1.0 - 1e-9) {
            return (1, None);
        }
        let n = (rest / last + 1e-9).floor();
        if whole_area / (n + 1.0) <= self.area(from + clipped) - self.area(from) { (at_most(fine), None) } else { (at_most(n + 1.0), Some(from + clipped)) }
    }

    /// The depth at which the groove has this area.
    fn depth_of(&self, area: f64) -> f64 {
        (rules::CONSTANT_AREA.eval)(&[self.flat.value, area, self.alpha_deg, 1.0, 1.0])
    }

    /// Depths of the cutting passes.
    #[must_use]
    pub fn depths(&self, sheet: &mut Worksheet) -> Vec<Num> {
        let alpha = Num::from(self.alpha_deg);
        let even = self.alpha_deg <= 0.0 || self.law == DepthLaw::ConstantDepth;
        let area = sheet.apply(&rules::GROOVE_AREA, [self.flat, self.total, alpha]);
        let (n, clipped) = self.passes.map_or_else(|| self.count(), |n| (n, None));
        let mut list: Vec<Num> = Vec::new();
        // The depth the present share-out goes on from, and the pass it stands at.
        let (mut base, mut base_area, mut at) =
            (self.from, (self.from.value > 0.0).then(|| sheet.apply(&rules::GROOVE_AREA, [self.flat, self.from, alpha])), 0);
        let mut last = self.from.value;
        for k in 1..=n {
            let set = self.own.iter().find(|o| o.n == k).map(|o| o.radial_mm).or(clipped.filter(|_| k == 1));
            if let Some(set) = set.filter(|x| k < n && *x > last && *x < self.total.value) {
                base = set.into();
                base_area = Some(sheet.apply(&rules::GROOVE_AREA, [self.flat, base, alpha]));
                (at, last) = (k, set);
                list.push(base);
                continue;
            }
            let (step, steps) = (Num::from(f64::from(k - at)), Num::from(f64::from(n - at)));
            // The last pass is the infeed itself, not its square root squared again.
            let depth = if k == n {
                self.total
            } else {
                match (even, base_area) {
                    (true, None) => sheet.apply(&rules::EVEN_DEPTH, [self.total, step, steps]),
                    (true, Some(_)) => sheet.apply(&rules::EVEN_FROM, [base, self.total, step, steps]),
                    (false, None) => sheet.apply(&rules::CONSTANT_AREA, [self.flat, area, alpha, step, steps]),
                    (false, Some(a)) => sheet.apply(&rules::AREA_FROM, [self.flat, a, area, alpha, step, steps]),
                }
            };
            last = depth.value;
            list.push(depth);
        }
        list
    }
}

/// A count as one: it was clamped.
#[allow(clippy::cast_possible_truncation, clippy::cast_sign_loss)]
const fn whole(n: f64) -> u32 {
    n as u32
}
