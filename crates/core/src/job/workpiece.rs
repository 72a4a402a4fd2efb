//! The blank's facts, settled.

use super::defaults::MATERIAL;
use super::material::{Material, materials};
use super::request::PlanRequest;
use crate::faults::Checker;
use crate::sentence;

use crate::job::{BlankAim, EndKind, Holding, Parallel, PlainFacts, RegisterFacts, Support};
use crate::quantity::real;
use crate::thread::Side;
use crate::thread::ThreadFacts;

/// The blank, settled.
#[derive(Debug, Clone, PartialEq)]
pub struct BlankFacts {
    /// As turned, mm, when known.
    pub diameter_mm: Option<f64>,
    /// Share of a full thread asked for in a bore.
    pub engagement_percent: Option<f64>,
    /// Where in the limits to aim.
    pub aim: BlankAim,
    /// Up to a shoulder.
    pub shoulder: bool,
    /// Diameter of the shoulder, mm, when known.
    pub shoulder_mm: Option<f64>,
    /// Relief width, mm, when known.
    pub relief_width_mm: Option<f64>,
    /// Relief diameter, mm, when known.
    pub relief_diameter_mm: Option<f64>,
    /// Radius in the relief's corners, mm, when known.
    pub relief_corner_mm: Option<f64>,
    /// Chamfered to this diameter, mm, when known.
    pub chamfer_mm: Option<f64>,
    /// Pitch diameter aimed at, mm, when chosen: the relief must clear the tip there too.
    pub target_mm: Option<f64>,
    /// How it ends, when chosen.
    pub end: Option<EndKind>,
    /// What holds the far end.
    pub support: Support,
    /// How the headstock end is held, when chosen.
    pub holding: Option<Holding>,
    /// Whether it must run true to what is finished already.
    pub runs_true: bool,
    /// Whether another thread of the part is finished and must not be crushed.
    pub other_thread_finished: bool,
    /// Whole swing of an indicator on the work, mm, when read.
    pub runout_mm: Option<f64>,
    /// Whether that was read after the work was out and put back midway.
    pub rechucked: bool,
    /// The parallel test, when made.
    pub parallel: Option<Parallel>,
    /// The register at the mouth, when there is one.
    pub register: Option<RegisterFacts>,
    /// Plain dimensions.
    pub plain: Vec<PlainFacts>,
    /// How far it stands out, mm, when known.
    pub stick_out_mm: Option<f64>,
    /// Outside diameter of a part with a bore, mm, when known.
    pub outside_mm: Option<f64>,
    /// Force of each jaw on it, N, when known.
    pub jaw_force_n: Option<f64>,
    /// Length the jaws grip, mm, when known.
    pub grip_mm: Option<f64>,
    /// From the end of the thread to what stands beyond it toward the headstock, mm, when known.
    pub beyond_mm: Option<f64>,
    /// Whether a die finishes it.
    pub die_finish: bool,
    /// Material.
    pub material: Material,
}

/// Settles the blank, noting every fault.
pub(super) fn settle(request: &PlanRequest, thread: Option<&ThreadFacts>, c: &mut Checker) -> BlankFacts {
    let asked = &request.blank;
    let (major, pitch) = thread.map_or((100.0, 100.0), |t| (real(&t.spec.major), real(&t.spec.pitch)));
    let (low, high) = thread.map_or((0.1, 1000.0), |_| ((major - 1.4 * pitch).max(0.05), major + pitch));
    let internal = thread.is_some_and(|t| t.spec.side == Side::Internal);
    let shoulder = asked.shoulder.unwrap_or(false);
    if asked.engagement_percent.is_some() && thread.is_some() && !internal {
        c.fault("/blank/engagement_percent", sentence!("fact-share-full-thread-belongs-bore"));
    }
    if shoulder && asked.end == Some(EndKind::Open) {
        c.fault("/blank/end", sentence!("fact-thread-up-shoulder-cannot-run"));
    }
    let chamfer = (major - 3.0 * pitch).max(0.05)..=major + 3.0 * pitch;
    BlankFacts {
        diameter_mm: c.sound(asked.diameter_mm, low, high, "/blank/diameter_mm", "mm for this thread"),
        engagement_percent: c.sound(asked.engagement_percent, 30.0, 100.0, "/blank/engagement_percent", "per cent"),
        shoulder,
        shoulder_mm: c.sound(asked.shoulder_mm, if thread.is_some() { major * 0.5 } else { 0.1 }, 2000.0, "/blank/shoulder_mm", "mm for this thread"),
        relief_width_mm: c.sound(asked.relief_width_mm, 0.0, 1000.0, "/blank/relief_width_mm", "mm"),
        relief_diameter_mm: c.sound(asked.relief_diameter_mm, 0.0, 1000.0, "/blank/relief_diameter_mm", "mm"),
        relief_corner_mm: c.sound(asked.relief_corner_mm, 0.0, 100.0, "/blank/relief_corner_mm", "mm"),
        chamfer_mm: c.sound(asked.chamfer_mm, *chamfer.start(), *chamfer.end(), "/blank/chamfer_mm", "mm for this thread"),
        target_mm: request.cut.target_pitch_diameter_mm.filter(|t| t.is_finite()),
        aim: asked.aim.unwrap_or(BlankAim::Middle),
        end: asked.end,
        support: asked.support.unwrap_or(Support::None),
        holding: asked.holding,
        runs_true: asked.runs_true.unwrap_or(false),
        other_thread_finished: asked.other_thread_finished.unwrap_or(false),
        runout_mm: c.sound(asked.runout_mm, 0.0, 5.0, "/blank/runout_mm", "mm"),
        rechucked: asked.rechucked.unwrap_or(false),
        parallel: asked.parallel.as_ref().and_then(|p| p.check((0.1, 2000.0), c)),
        register: asked.register.as_ref().and_then(|r| r.check(major, c)),
        plain: crate::job::plain::check(&asked.plain, c),
        stick_out_mm: c.sound(asked.stick_out_mm, 0.5, 5000.0, "/blank/stick_out_mm", "mm"),
        outside_mm: {
            if asked.outside_mm.is_some() && thread.is_some() && !internal {
                c.fault("/blank/outside_mm", sentence!("fact-outside-asked-part-bore-screw"));
            }
            c.sound(asked.outside_mm, if thread.is_some() { major } else { 0.1 }, 5000.0, "/blank/outside_mm", "mm, past this thread’s own diameter")
        },
        jaw_force_n: c.sound(asked.jaw_force_n, 0.0, 200_000.0, "/blank/jaw_force_n", "N for each jaw"),
        grip_mm: c.sound(asked.grip_mm, 0.5, 2000.0, "/blank/grip_mm", "mm"),
        beyond_mm: c.sound(asked.beyond_mm, 0.0, 5000.0, "/blank/beyond_mm", "mm"),
        die_finish: asked.die_finish.unwrap_or(false),
        material: settle_material(asked.material.as_deref(), c),
    }
}

fn settle_material(asked: Option<&str>, c: &mut Checker) -> Material {
    let code = asked.unwrap_or(MATERIAL);
    let found = materials().iter().find(|m| m.code == code);
    if found.is_none() {
        let known: Vec<&str> = materials().iter().map(|m| m.code.as_str()).collect();
        c.fault("/blank/material", sentence!("fact-not-material-known-here-choices", code = code, known = known.join(", ")));
    } else if asked.is_none() {
        c.assume("/blank/material", sentence!("fact-no-material-given-mild-steel"));
    }
    found.or_else(|| materials().first()).cloned().unwrap_or_else(|| Material {
        code: MATERIAL.into(),
        name: "mild steel".into(),
        hss_m_per_min: 12.0,
        first_cut_mm: 0.25,
        least_cut_mm: 0.03,
        most_area_mm2: 0.24,
        kc1_n_mm2: 1700.0,
        tensile_n_mm2: 430.0,
        modulus_gpa: 205.0,
        relief_deg: 6.0,
        rake_most_deg: 0.0,
        fluid: "cutting oil".into(),
    })
}
