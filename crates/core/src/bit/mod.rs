//! Bit: the tip really ground, and what it will cut.

pub mod rules;

use crate::job::{Assumption, BitFacts};
use crate::quantity::{degrees_text, plain_text};
use crate::thread::section::Thread;
use crate::thread::{Side, System, rules as thread_rules};
use crate::watch::{Level, Watch};
use crate::working::{Num, Quantity, Sheet};
use serde::Serialize;

/// The tip the form allows.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct TipAllowed {
    /// Narrowest flat.
    pub min: Quantity,
    /// Widest flat.
    pub max: Quantity,
    /// Flat to aim at.
    pub aim: Quantity,
}

/// The bit.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct BitSection {
    /// Relief on the leading side, external work only.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub leading_relief_deg: Option<Quantity>,
    /// Relief on the trailing side, external work only.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub trailing_relief_deg: Option<Quantity>,
    /// Flat allowed; on a rounded form, the flat that reaches as deep.
    pub tip_flat_mm: TipAllowed,
    /// Radius allowed, on a rounded form.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub tip_radius_mm: Option<TipAllowed>,
    /// The tip of the handbooks, for Acme.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub handbook_flat_mm: Option<Quantity>,
    /// Tip to pitch line with the tip used.
    pub tip_to_pitch_mm: Quantity,
    /// Whether the tip was measured, or the aim is assumed.
    pub measured: bool,
    /// The bit as it is said.
    pub says: String,
}

/// What later stations need of the tip.
#[derive(Debug, Clone, Copy)]
pub(crate) struct Tip {
    /// Tip to pitch line.
    pub h: Num,
    /// Flat that cuts off as much.
    pub equal_flat: Num,
    /// How far the infeed could be out for want of measuring the tip, mm radial.
    pub doubt: f64,
}

/// Working clearance of a ground bit, degrees. House value.
const CLEARANCE_DEG: f64 = 6.0;

/// Radii a rounded root may have: least, most, and the middle of them. UNR starts lower than the ISO root of a
/// strong bolt; both end where the radius would reach past the root's limit.
fn rounded_root(sheet: &mut Sheet, thread: &Thread) -> [Num; 3] {
    let least = if thread.spec.system == System::Unified { 0.108 } else { 0.125 };
    let [least, most] = [least, 0.144].map(|share| sheet.work(&rules::SHARE_RADIUS, [thread.pitch, share.into()]));
    [least, most, sheet.work(&thread_rules::MIDDLE, [least, most])]
}

/// The flat that cuts off as much of the V as this radius.
fn equal_flat(sheet: &mut Sheet, radius: Num, alpha: Num) -> Num {
    let cut_off = sheet.work(&rules::CUT_OFF_RADIUS, [radius, alpha]);
    sheet.work(&rules::EQUAL_FLAT, [cut_off, alpha])
}

/// The flats the form allows: least, most, and the one to aim at.
fn flats(sheet: &mut Sheet, thread: &Thread) -> [Num; 3] {
    let (pitch, alpha) = (thread.pitch, Num::from(thread.alpha_deg));
    let side = thread.spec.side;
    if thread.spec.rounded_root {
        return rounded_root(sheet, thread).map(|radius| equal_flat(sheet, radius, alpha));
    }
    if thread.spec.system.is_sixty() {
        let eighth = sheet.work(&rules::EIGHTH, [pitch]);
        return match side {
            Side::External => [eighth, sheet.work(&rules::QUARTER, [pitch]), eighth],
            Side::Internal => [0.0.into(), eighth, eighth],
        };
    }
    if thread.alpha_deg <= 0.0 {
        let half = sheet.work(&rules::HALF_PITCH, [pitch]);
        let most = sheet.work(&rules::SQUARE_MOST, [pitch]);
        return [half, most, sheet.work(&thread_rules::MIDDLE, [half, most])];
    }
    // At the middle of the size limits, the root the tip leaves must clear the mate and not go past its own limit.
    let (low, high) = thread.own.pitch;
    let middle = sheet.work(&thread_rules::MIDDLE, [low, high]);
    let band = high.value - low.value;
    let (near, far) = match (side, thread.own.root(side)) {
        (Side::External, (far, near)) => {
            let near = near.unwrap_or(thread.basic.minor);
            (near, far.unwrap_or_else(|| (near.value - band).into()))
        }
        (Side::Internal, (near, far)) => {
            let near = near.unwrap_or(thread.major);
            (near, far.unwrap_or_else(|| (near.value + band).into()))
        }
    };
    let mut flat = |root: Num| {
        let (large, small) = if side == Side::External { (middle, root) } else { (root, middle) };
        sheet.work(&rules::FLAT_TO_ROOT, [pitch, large, small, alpha])
    };
    let (least, most) = (flat(far), flat(near));
    let aim = match thread.radius {
        Some(radius) => equal_flat(sheet, radius, alpha),
        None => sheet.work(&thread_rules::MIDDLE, [least, most]),
    };
    [least, most, aim]
}

/// What the tip used cuts off the sharp V, how it is said, and whether it was measured.
fn used(sheet: &mut Sheet, facts: &BitFacts, thread: &Thread, aim: Num, round: Option<Num>) -> (Num, bool, String) {
    let alpha = Num::from(thread.alpha_deg);
    let text = |v: f64, what: &str| format!("{} mm {what}", plain_text(v, 2));
    match (facts.tip_flat_mm, facts.tip_radius_mm, round) {
        (_, Some(radius), _) => (sheet.work(&rules::CUT_OFF_RADIUS, [radius.into(), alpha]), true, text(radius, "radius")),
        (Some(flat), None, _) => (sheet.work(&rules::CUT_OFF_FLAT, [flat.into(), alpha]), true, text(flat, "flat")),
        (None, None, Some(radius)) => (sheet.work(&rules::CUT_OFF_RADIUS, [radius, alpha]), false, text(radius.value, "radius")),
        (None, None, None) => (sheet.work(&rules::CUT_OFF_FLAT, [aim, alpha]), false, text(aim.value, "flat")),
    }
}

/// What a gauge or nut feels of the flank angle being off by half the difference, mm of pitch diameter:
/// a narrow bit bears at the crest, a wide one at the root.
fn angle_feels_like(thread: &Thread, angle: f64) -> f64 {
    let tan = |deg: f64| deg.to_radians().tan();
    let alpha = thread.alpha_deg;
    let delta = (angle / 2.0 - alpha).abs();
    let [major, pitch, minor] = [thread.major, thread.basic.pitch, thread.basic.minor].map(|n| n.value);
    if angle < 2.0 * alpha {
        (major - pitch) * (tan(alpha) - tan(alpha - delta)) / tan(alpha)
    } else {
        (pitch - minor) * (tan(alpha + delta) - tan(alpha)) / tan(alpha)
    }
}

/// Works the tip: as ground, else the form's aim.
pub(crate) fn work(sheet: &mut Sheet, facts: &BitFacts, thread: &Thread, assumed: &mut Vec<Assumption>, watch: &mut Vec<Watch>) -> (Tip, BitSection) {
    let (pitch, alpha) = (thread.pitch, Num::from(thread.alpha_deg));
    let straight = thread.alpha_deg <= 0.0;
    let external = thread.spec.side == Side::External;
    let [min, max, aim] = flats(sheet, thread);
    // A form, or a root, that is round wants a round tip.
    let round = thread.radius.or_else(|| thread.spec.rounded_root.then(|| rounded_root(sheet, thread)[2]));
    let (h, equal_flat, measured, tip_says) = if straight {
        let flat = facts.tip_flat_mm.map_or(aim, Num::from);
        let h = sheet.work(&thread_rules::HALF_OF, [thread.basic.pitch, thread.basic.minor]);
        (h, flat, facts.tip_flat_mm.is_some(), format!("{} mm wide", plain_text(flat.value, 2)))
    } else {
        let (cut_off, measured, says) = used(sheet, facts, thread, aim, round);
        let h = sheet.work(&rules::TIP_TO_PITCH, [pitch, alpha, cut_off]);
        (h, sheet.work(&rules::EQUAL_FLAT, [cut_off, alpha]), measured, says)
    };
    let doubt = if measured || straight { 0.0 } else { (max.value - min.value) / (2.0 * thread.alpha_deg.to_radians().tan()) };
    if !measured {
        assumed.push(Assumption { pointer: "/bit/tip_flat_mm".into(), text: format!("The tip was not measured: {} is assumed.", tip_says) });
        if !straight {
            let text = format!(
                "The tip is not measured: a flat between {} and {} mm is {} of infeed. Measure before the last cuts.",
                plain_text(min.value, 2),
                plain_text(max.value, 2),
                plain_text(doubt, 2)
            );
            watch.push(Watch::new(Level::Note, "assumed_default", "cut", text));
        }
    }
    if thread.spec.rounded_root && facts.tip_flat_mm.is_some() {
        watch.push(Watch::new(Level::Warn, "tip_not_round", "bit", "The root must be rounded, and this tip is flat: stone a radius on it.".into()));
    }
    if thread.radius.is_some() {
        watch.push(Watch::new(
            Level::Note,
            "form_radius",
            "cut",
            format!(
                "The {} form is round at crest and root: a plain bit leaves the crests flat. Finish with a chaser or a full-form bit where that matters.",
                thread.spec.system.word()
            ),
        ));
    }
    let angle = facts.included_angle_deg.unwrap_or(thread.alpha_deg * 2.0);
    if (angle - thread.alpha_deg * 2.0).abs() > 0.5 {
        let text = if straight {
            format!("A bit of {}° leaves the sides of a square thread sloping; grind it parallel.", degrees_text(angle))
        } else {
            format!(
                "A bit of {}° on a {}° thread acts like {} mm off the pitch diameter; grind it true.",
                degrees_text(angle),
                degrees_text(2.0 * thread.alpha_deg),
                plain_text(angle_feels_like(thread, angle), 3)
            )
        };
        watch.push(Watch::new(Level::Warn, "bit_angle", "cut", text));
    }
    let reliefs = external.then(|| {
        let leading = sheet.work_assuming(&rules::RELIEF_LEADING, [CLEARANCE_DEG.into(), thread.lead_angle_minor], Some("working clearance 6°".into()));
        let trailing = sheet.work_assuming(&rules::RELIEF_TRAILING, [CLEARANCE_DEG.into(), thread.lead_angle_major], Some("working clearance 6°".into()));
        (Quantity::angle(leading), Quantity::angle(trailing))
    });
    let (leading_relief_deg, trailing_relief_deg) = reliefs.unzip();
    let section = BitSection {
        leading_relief_deg,
        trailing_relief_deg,
        tip_flat_mm: TipAllowed { min: Quantity::length(min), max: Quantity::length(max), aim: Quantity::length(aim) },
        tip_radius_mm: round.map(|radius| {
            let mut of = |flat: Num| Quantity::length(sheet.work(&rules::RADIUS_OF_FLAT, [flat, alpha]));
            TipAllowed { min: of(min), max: of(max), aim: Quantity::length(radius) }
        }),
        handbook_flat_mm: matches!(thread.spec.system, System::Acme).then(|| Quantity::length(sheet.work(&rules::HANDBOOK, [pitch]))),
        tip_to_pitch_mm: Quantity::length(h),
        measured,
        says: format!("{}°, {tip_says}{}", degrees_text(angle), if measured { "" } else { " (aim, not measured)" }),
    };
    (Tip { h, equal_flat, doubt }, section)
}
