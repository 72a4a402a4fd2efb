//! The standard threads as a worn one would measure.

use crate::callout;
use crate::families::MemberQuery;
use crate::quantity::real;
use crate::series::{Standard, standards};
use crate::system::Side;
use crate::working::Worksheet;
use std::sync::LazyLock;

/// A standard thread and the sizes a sample of it would show, mm.
#[derive(Debug)]
pub struct ReferenceThread {
    /// Its row in the list of standards.
    pub standard: &'static Standard,
    /// Half the included angle.
    pub alpha_deg: f64,
    /// Nominal diameter.
    pub major: f64,
    /// Pitch.
    pub pitch: f64,
    /// Basic pitch diameter.
    pub effective: f64,
    /// Least pitch diameter of the usual class of screw.
    pub least_effective: f64,
    /// Root of the screw as usually made.
    pub root: f64,
    /// Depths the root may really have, shallow to sharp.
    pub depths: [f64; 3],
    /// Bore of the nut: least, most.
    pub bore: [f64; 2],
}

impl ReferenceThread {
    /// Whether the two cannot be told apart: same diameter, pitch and angle.
    pub(super) fn same_on_the_bench(&self, other: &Self) -> bool {
        self.standard.major == other.standard.major && self.standard.pitch == other.standard.pitch && (self.alpha_deg - other.alpha_deg).abs() < 1e-9
    }
}

fn of(standard: &'static Standard) -> Option<ReferenceThread> {
    let spec = callout::read(&standard.name).ok()?;
    let mut sheet = Worksheet::default();
    let basic = spec.system.family().basics(&mut sheet, &spec);
    let class = |side: Side| spec.system.family().usual_class(side, real(&spec.major));
    let mut limits = |side: Side| {
        spec.system.family().limits(&mut sheet, &MemberQuery { spec: &spec, class: class(side), side, engagement_mm: None, length_mm: f64::INFINITY })
    };
    let (screw, nut) = (limits(Side::External), limits(Side::Internal));
    let (major, pitch) = (real(&spec.major), real(&spec.pitch));
    let alpha_deg = spec.half_angle_deg();
    // The standard screw of 60° has its root rounded at H/6: d3 = D − 1.22687P (ISO 724). The others are
    // made to their own root.
    let sixty = spec.system.family().is_sixty();
    let root = if sixty { major - 1.226_87 * pitch } else { screw.minor.1.map_or(basic.minor.value, |m| m.value) };
    let usual = (major - root) / 2.0;
    let addendum = (major - basic.pitch.value) / 2.0;
    let sharp = addendum + pitch / (4.0 * alpha_deg.to_radians().tan());
    // At 60° the root may be anything from a flat of P/4 to a flat of P/8 and still be to the form.
    let (shallow, deep) = if sixty { (0.541 * pitch, 0.65 * pitch) } else { (usual, usual) };
    Some(ReferenceThread {
        standard,
        alpha_deg,
        major,
        pitch,
        effective: basic.pitch.value,
        least_effective: screw.pitch.0.value,
        root,
        depths: [shallow, deep, sharp.max(deep)],
        bore: [nut.minor.0.map_or(basic.minor.value, |m| m.value), nut.minor.1.map_or(basic.minor.value, |m| m.value)],
    })
}

/// Every standard thread kept, by series.
pub static REFERENCE_THREADS: LazyLock<Vec<ReferenceThread>> = LazyLock::new(|| standards().iter().filter_map(of).collect());
