//! The blank's facts, settled.

use super::defaults::MATERIAL;
use super::request::{BlankRequest, PlanRequest};
use crate::faults::Checker;
use crate::sentence;

use crate::job::{BlankAim, EndKind, Holding, Parallel, PlainFacts, RegisterFacts, Support};
use crate::kit::{Kit, Material, NOT_KNOWN, OwnMaterial, TriedView, is_own, material_of, materials, not_known};
use crate::making::Maker;
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
    /// From the face of the part's end to where the thread begins, mm, when told.
    pub from_end_mm: Option<f64>,
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
    /// What makes the thread.
    pub maker: Maker,
    /// Whether a die, of a nut a tap, finishes what a single point cut.
    pub die_finish: bool,
    /// Material.
    pub material: Material,
    /// What was tried of one nobody knows.
    pub tried: Option<TriedView>,
    /// Whether it is a material of the user's own that is kept no longer.
    pub material_gone: bool,
}

/// Settles the blank, noting every fault.
pub(super) fn settle(request: &PlanRequest, maker: Maker, (kit, thread): (&Kit, Option<&ThreadFacts>), c: &mut Checker) -> BlankFacts {
    let Settled { material, tried, gone } = settle_material(&request.blank, kit, c);
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
        from_end_mm: c.sound(asked.from_end_mm, 0.0, 5000.0, "/blank/from_end_mm", "mm"),
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
        plain: crate::plain::check(&asked.plain, c),
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
        maker,
        die_finish: {
            if asked.die_finish == Some(true) && maker != Maker::SinglePoint {
                c.fault("/blank/die_finish", sentence!("making-is-finished-by-it"));
            }
            asked.die_finish.unwrap_or(false)
        },
        material,
        tried,
        material_gone: gone,
    }
}

/// The material, and what is said of it beside.
struct Settled {
    material: Material,
    tried: Option<TriedView>,
    gone: bool,
}

fn settle_material(asked: &BlankRequest, kit: &Kit, c: &mut Checker) -> Settled {
    let code = asked.material.as_deref().unwrap_or(MATERIAL);
    let tried = asked.tried.unwrap_or_default();
    if code == NOT_KNOWN {
        let (material, view) = not_known(&tried, c.voice);
        c.assume("/blank/material", view.says.clone());
        return Settled { material, tried: Some(view), gone: false };
    }
    if let Some(material) = material_of(code, &kit.materials) {
        if asked.material.is_none() {
            c.assume("/blank/material", sentence!("fact-no-material-given-mild-steel"));
        }
        for (own, like) in kit.materials.iter().filter(|m| m.code() == code).filter_map(|own| own.like_it().map(|like| (own, like))) {
            for what in own.taken() {
                c.assume("/blank/material", sentence!("material-own-taken", name = &own.name, what = what, like = &like.name));
            }
        }
        return Settled { material, tried: None, gone: false };
    }
    // One kept no longer must not stop the job: it is planned for as one nobody knows.
    let gone = is_own(code);
    if !gone {
        let own = kit.materials.iter().map(OwnMaterial::code);
        let known: Vec<String> = materials().iter().map(|m| m.code.clone()).chain(own).chain([NOT_KNOWN.to_owned()]).collect();
        c.fault("/blank/material", sentence!("fact-not-material-known-here-choices", code = code, known = known.join(", ")));
    }
    let (careful, view) = not_known(&tried, c.voice);
    Settled { material: Material { code: code.to_owned(), ..careful }, tried: gone.then_some(view), gone }
}
