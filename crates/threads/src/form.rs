//! The thread as reckoned: what every station after works from.

use super::class::Class;
use super::families::{Basics, Limits, MemberQuery};
use super::flanks::Flanks;
use super::spec::ThreadSpec;
use super::system::Side;
use crate::quantity::Ratio;
use crate::working::{Num, Worksheet};

/// What later stations need of the thread.
#[derive(Debug, Clone)]
pub struct Thread {
    /// What is to be cut.
    pub spec: ThreadSpec,
    /// Half the included angle, degrees; of unequal flanks, that of the even groove that widens as fast.
    pub alpha_deg: f64,
    /// The flanks as the tool meets them.
    pub flanks: Flanks,
    /// A groove's left wall and its right one, the headstock to the left, degrees from square to the axis.
    pub walls_deg: [f64; 2],
    /// Nominal diameter, mm.
    pub major: Num,
    /// Pitch, mm.
    pub pitch: Num,
    /// Lead, mm.
    pub lead: Num,
    /// The same, exact.
    pub exact_lead: Ratio,
    /// Limits of the member to be cut.
    pub own: Limits,
    /// Limits of its mate.
    pub mate: Limits,
    /// Threaded length, mm.
    pub length: f64,
    /// Length the mate engages, mm.
    pub engagement: f64,
    /// Basic pitch and minor diameter, mm.
    pub basic: Basics,
    /// Radius of crest and root, of a rounded form.
    pub radius: Option<Num>,
    /// Lead angle at the pitch diameter, degrees.
    pub lead_angle_pitch: Num,
    /// At the minor diameter.
    pub lead_angle_minor: Num,
    /// At the major diameter.
    pub lead_angle_major: Num,
}

impl Thread {
    /// How far the straight flank reaches to either side of the pitch line, mm: to the crest, less what
    /// the rounding takes.
    pub fn straight_flank(&self) -> f64 {
        let height = (self.major.value - self.basic.pitch.value) / 2.0;
        self.radius.map_or(height, |r| height - r.value * (1.0 - self.alpha_deg.to_radians().sin()))
    }

    /// Height of the basic flank on the crest's side of the pitch line and on the root's, mm on diameter: above it and below it on a screw,
    /// the other way about in a nut.
    pub fn heights(&self) -> [f64; 2] {
        let [above, below] = [self.major.value - self.basic.pitch.value, self.basic.pitch.value - self.basic.minor.value];
        if self.spec.side == Side::External { [above, below] } else { [below, above] }
    }

    /// Classes of this member whose limits of the pitch diameter reach past its own, with those limits, mm: the nearest first.
    pub fn wider_classes(&self, engagement_mm: Option<f64>) -> Vec<(String, [f64; 2])> {
        let (spec, side) = (&self.spec, self.spec.side);
        let limits = |class: Class| {
            let (low, high) =
                spec.system.family().limits(&mut Worksheet::default(), &MemberQuery { spec, class, side, engagement_mm, length_mm: self.length }).pitch;
            (class.to_string(), [low.value, high.value])
        };
        let far = |l: &[f64; 2]| if side == Side::External { -l[0] } else { l[1] };
        let own = far(&[self.own.pitch.0.value, self.own.pitch.1.value]);
        let mut list: Vec<_> =
            spec.system.family().classes(side).into_iter().filter(|c| *c != spec.class).map(limits).filter(|(_, l)| far(l) > own + 1e-6).collect();
        list.sort_by(|a, b| far(&a.1).total_cmp(&far(&b.1)));
        list
    }
}
