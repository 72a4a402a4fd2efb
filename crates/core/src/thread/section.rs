//! The thread section of a plan: sizes and limits of both members, and lead angles.

use super::spec::{Class, Hand, Side, System, ThreadSpec};
use super::{iso, rules, unified};
use crate::job::ThreadFacts;
use crate::outline::Drawing;
use crate::quantity::{Ratio, real};
use crate::watch::{Level, Watch};
use crate::working::{Num, Quantity, Sheet};
use serde::Serialize;

/// Limits of one member on the sheet, mm: lower, upper.
#[derive(Debug, Clone, Copy)]
pub(crate) struct Limits {
    pub major: (Option<Num>, Option<Num>),
    pub pitch: (Num, Num),
    pub minor: (Option<Num>, Option<Num>),
}

impl Limits {
    /// Limits of the crest the blank is made to: major of a screw, minor of a nut.
    pub(crate) const fn crest(&self, side: Side) -> (Option<Num>, Option<Num>) {
        match side {
            Side::External => self.major,
            Side::Internal => self.minor,
        }
    }
}

/// Lower and upper limit; one may be open.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Range {
    /// Lower limit.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub min: Option<Quantity>,
    /// Upper limit.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub max: Option<Quantity>,
}

impl Range {
    fn of((min, max): (Option<Num>, Option<Num>)) -> Self {
        Self { min: min.map(Quantity::length), max: max.map(Quantity::length) }
    }
}

/// Limits of one member.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Member {
    /// Tolerance class.
    pub class: String,
    /// Major diameter.
    pub major_mm: Range,
    /// Pitch diameter.
    pub pitch_mm: Range,
    /// Minor diameter; of a screw, what must clear the mate.
    pub minor_mm: Range,
}

impl Member {
    fn of(limits: &Limits, class: Class) -> Self {
        let (low, high) = limits.pitch;
        Self { class: class.to_string(), major_mm: Range::of(limits.major), pitch_mm: Range::of((Some(low), Some(high))), minor_mm: Range::of(limits.minor) }
    }
}

/// Lead angles at the basic diameters, degrees.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct LeadAngles {
    /// At the major diameter.
    pub major: Quantity,
    /// At the pitch diameter.
    pub pitch: Quantity,
    /// At the minor diameter.
    pub minor: Quantity,
}

/// What exactly is to be cut.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ThreadSection {
    /// Size, class and hand as written.
    pub name: String,
    /// Size alone.
    pub size: String,
    /// Family.
    pub form: System,
    /// Series.
    pub series: String,
    /// Member to be cut.
    pub side: Side,
    /// Class of the member to be cut.
    pub class: String,
    /// Nominal diameter.
    pub major_mm: Quantity,
    /// Pitch.
    pub pitch_mm: Quantity,
    /// The pitch as it is said.
    pub pitch_text: String,
    /// Lead.
    pub lead_mm: Quantity,
    /// Starts.
    pub starts: u8,
    /// Hand.
    pub hand: Hand,
    /// Half the included angle, degrees.
    pub half_angle_deg: f64,
    /// The screw.
    pub external: Member,
    /// The nut.
    pub internal: Member,
    /// Lead angles.
    pub lead_angle_deg: LeadAngles,
    /// Threaded length.
    pub length_mm: Quantity,
    /// Engagement with the mate.
    pub engagement_mm: Quantity,
    /// The form in section.
    pub drawing: Drawing,
}

/// What later stations need of the thread.
#[derive(Debug, Clone)]
pub(crate) struct Thread {
    pub spec: ThreadSpec,
    pub alpha_deg: f64,
    pub major: Num,
    pub pitch: Num,
    pub lead: Num,
    pub exact_lead: Ratio,
    /// Limits of the member to be cut.
    pub own: Limits,
    pub length: f64,
    pub engagement: f64,
    /// Basic pitch diameter, mm.
    pub basic_pitch: Num,
    pub lead_angle_minor: Num,
    pub lead_angle_major: Num,
}

/// Works the thread.
pub(crate) fn work(sheet: &mut Sheet, facts: &ThreadFacts, watch: &mut Vec<Watch>) -> (Thread, ThreadSection) {
    let spec = facts.spec.clone();
    let d = real(&spec.major);
    let major = Num::from(d);
    let pitch = spec.tpi.map_or_else(|| real(&spec.pitch).into(), |n| sheet.work(&rules::PITCH_OF_TPI, [real(&n).into()]));
    let lead = sheet.work(&rules::LEAD, [f64::from(spec.starts).into(), pitch]);
    let other = Class::usual(spec.system, spec.side.other(), d);
    let mut computed = false;
    let mut limits = |sheet: &mut Sheet, class: Class| {
        let found = match spec.system {
            System::IsoMetric => iso::limits(sheet, &spec, class).map(|(l, c)| {
                computed |= c;
                l
            }),
            System::Unified => unified::limits(sheet, &spec, class, facts.engagement_mm),
        };
        // A class is read for its system when the facts are settled, so both are always found;
        // should they not be, sizes without tolerance are the honest answer.
        found.unwrap_or(Limits { major: (Some(major), Some(major)), pitch: (major, major), minor: (None, None) })
    };
    let own = limits(sheet, spec.class);
    let mate = limits(sheet, other);
    if computed {
        watch.push(Watch::new(
            Level::Note,
            "tolerance_computed",
            "thread",
            "Size and pitch are not together in the ISO 965-1 table, so tolerances are computed from its formulas.".into(),
        ));
    }
    let engagement = facts.engagement_mm.unwrap_or(d);
    if engagement > 1.5 * d {
        let text = match spec.system {
            System::IsoMetric => {
                "The mate engages more than 1.5 diameters: the N tolerances shown are for a normal length, ISO 965-1 gives L classes for this."
            }
            System::Unified => "The mate engages more than 1.5 diameters: tolerances are taken at the engagement given, as ASME B1.1 says.",
        };
        watch.push(Watch::new(Level::Note, "engagement_long", "thread", text.into()));
    }
    let (external, internal, external_class, internal_class) = match spec.side {
        Side::External => (&own, &mate, spec.class, other),
        Side::Internal => (&mate, &own, other, spec.class),
    };
    let basics = match spec.system {
        System::IsoMetric => [sheet.work(&rules::ISO_PITCH_BASIC, [major, pitch]), sheet.work(&rules::ISO_MINOR_BASIC, [major, pitch])],
        System::Unified => {
            let (di, pi) = (sheet.work(&rules::IN_OF_MM, [major]), sheet.work(&rules::IN_OF_MM, [pitch]));
            let e = sheet.work(&rules::UN_PITCH_BASIC, [di, pi]);
            let m = sheet.work(&rules::UN_MINOR_BASIC, [di, pi]);
            [sheet.work(&rules::MM_OF_IN, [e]), sheet.work(&rules::MM_OF_IN, [m])]
        }
    };
    let angle = |sheet: &mut Sheet, at: Num| sheet.work(&rules::LEAD_ANGLE, [lead, at]);
    let angles = [angle(sheet, major), angle(sheet, basics[0]), angle(sheet, basics[1])];
    let alpha_deg = 30.0;
    let length = facts.length_mm;
    let drawing = super::drawing::section(&spec, pitch.value, d, basics.map(|b| b.value), own.pitch);
    let section = ThreadSection {
        name: spec.name(),
        size: spec.size.clone(),
        form: spec.system,
        series: spec.series.clone(),
        side: spec.side,
        class: spec.class.to_string(),
        major_mm: Quantity::length(major),
        pitch_mm: Quantity::length(pitch),
        pitch_text: spec.pitch_text(),
        lead_mm: Quantity::length(lead),
        starts: spec.starts,
        hand: spec.hand,
        half_angle_deg: alpha_deg,
        external: Member::of(external, external_class),
        internal: Member::of(internal, internal_class),
        lead_angle_deg: LeadAngles { major: Quantity::angle(angles[0]), pitch: Quantity::angle(angles[1]), minor: Quantity::angle(angles[2]) },
        length_mm: Quantity::given(length),
        engagement_mm: Quantity::given(engagement),
        drawing,
    };
    let exact_lead = spec.lead();
    let thread = Thread {
        alpha_deg,
        major,
        pitch,
        lead,
        exact_lead,
        own,
        length,
        engagement,
        basic_pitch: basics[0],
        lead_angle_minor: angles[2],
        lead_angle_major: angles[0],
        spec,
    };
    (thread, section)
}
