//! How wide crest and root of a member may be, as its standard leaves them.

use super::families::MemberQuery;
use super::spec::ThreadSpec;
use super::system::Side;
use crate::quantity::real;
use crate::working::{Num, Worksheet};

/// Share of the mate's crest that a root is wide at least: a 60° tip may be a point half as wide, others follow the form. House values,
/// where the standard does not give both limits of the root.
const LEAST_ROOT: [f64; 2] = [0.5, 0.8];
/// How many times wider or narrower the flats of a part of no standard may be than is usual. House value.
const NO_STANDARD: f64 = 2.0;
/// How well a flat told of a part was read, mm. House value: a rule's edge or a glass.
const FLAT_DOUBT_MM: f64 = 0.02;

impl ThreadSpec {
    /// Least and greatest width, mm, of the crest and of the root of this member; of a rounded one where its straight flanks would end.
    ///
    /// At its crest a ridge is P/2 − 2h·tan α wide, h the height from the pitch line to it (a second way to say that ridge and space are equal
    /// there): from the limits of its usual class; of a special as told of it, or about as usual. Nothing of a form with straight sides.
    #[must_use]
    pub fn flats_mm(&self) -> Option<[[f64; 2]; 2]> {
        let (sheet, family, pitch) = (&mut Worksheet::default(), self.system.family(), real(&self.pitch));
        let tan = self.half_angle_deg().to_radians().tan();
        if tan <= 0.0 {
            return None;
        }
        let flat = |across: f64, between: f64| (pitch / 2.0 - (across - between).abs() * tan).max(0.0);
        let (major, basic) = (real(&self.major), family.basics(sheet, self));
        let [screw, nut] = [major, basic.minor.value].map(|crest| flat(crest, basic.pitch.value));
        let (own, mate) = if self.side == Side::External { (screw, nut) } else { (nut, screw) };
        if let Some(form) = self.special {
            let told = [form.crest_flat_mm, form.root_flat_mm];
            let [crest, root] = if self.side == Side::External { told } else { [told[1], told[0]] };
            let of = |told: Option<f64>, usual: f64| match told {
                Some(mm) => [(mm - FLAT_DOUBT_MM).max(0.0), mm + FLAT_DOUBT_MM],
                None => [usual / NO_STANDARD, usual * NO_STANDARD],
            };
            return Some([of(crest, own), of(root, mate)]);
        }
        let class = family.usual_class(self.side, major);
        let limits = family.limits(sheet, &MemberQuery { spec: self, class, side: self.side, engagement_mm: None, length_mm: f64::INFINITY });
        // Over every pair of what a crest, or a root, and the pitch diameter may be.
        let over = |across: [f64; 2]| {
            let all = across.map(|mm| [limits.pitch.0, limits.pitch.1].map(|e| flat(mm, e.value))).into_iter().flatten();
            [all.clone().fold(f64::INFINITY, f64::min), all.fold(0.0, f64::max)]
        };
        let usual = if self.side == Side::External { major } else { basic.minor.value };
        let ([crest_low, crest_high], [root_low, root_high]) = (both(limits.crest(self.side)), both(limits.root(self.side)));
        let least = LEAST_ROOT[usize::from(!family.is_sixty())] * mate;
        let root = match root_low.zip(root_high) {
            Some((low, high)) if family.stands_clear() => over([low, high]),
            _ => [least, mate],
        };
        Some([over([crest_low.unwrap_or(usual), crest_high.unwrap_or(usual)]), root])
    }
}

fn both((low, high): (Option<Num>, Option<Num>)) -> [Option<f64>; 2] {
    [low, high].map(|limit| limit.map(|n| n.value))
}
