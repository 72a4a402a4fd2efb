//! The thread section of a plan: sizes and limits of both members, and lead angles.

use super::class::Class;
use super::families::{Basics, Limits, MemberQuery};
use super::flanks::Flanks;
use super::form::Thread;
use super::rules;
use super::spec::ThreadSpec;
use crate::ThreadFacts;
use crate::direction::{Carriage, Faces, Hand};
use crate::outline::Drawing;
use crate::quantity::real;
use crate::system::{Side, System};
use crate::voice::Voice;
use crate::watch::{Code, Level, Watch};
use crate::working::{Num, Quantity, Worksheet};
use serde::Serialize;
use yoke_ground::say;

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
    /// Basic size, before allowance and tolerance.
    pub basic: Quantity,
}

impl Range {
    fn of((min, max): (Option<Num>, Option<Num>), basic: Num, voice: Voice) -> Self {
        Self { min: min.map(|v| Quantity::length(voice, v)), max: max.map(|v| Quantity::length(voice, v)), basic: Quantity::length(voice, basic) }
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
    fn of(limits: &Limits, class: Class, major: Num, basic: Basics, voice: Voice) -> Self {
        let (low, high) = limits.pitch;
        Self {
            class: class.to_string(),
            major_mm: Range::of(limits.major, major, voice),
            pitch_mm: Range::of((Some(low), Some(high)), basic.pitch, voice),
            minor_mm: Range::of(limits.minor, basic.minor, voice),
        }
    }
}

/// The basic form: how deep, and what stands at crest and root.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct FormSection {
    /// The form in a word or two.
    pub word: &'static str,
    /// Basic depth, crest to root.
    pub depth_mm: Quantity,
    /// Flat at the screw's crest; what a flat would be where the form is rounded.
    pub crest_flat_mm: Quantity,
    /// Flat at the basic root; what a flat would be where the form is rounded.
    pub root_flat_mm: Quantity,
    /// Radius of crest and root, of a rounded form.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub radius_mm: Option<Quantity>,
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
    /// Whether its standard prints sizes in inches.
    pub inch: bool,
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
    /// Half the included angle, degrees; of a thread with unequal flanks, absent.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub half_angle_deg: Option<f64>,
    /// The angle between the flanks, degrees.
    pub included_angle_deg: f64,
    /// The flanks as the tool meets them, of a thread with unequal ones.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub flanks_deg: Option<Flanks>,
    /// The end that the flank carrying the load faces, told or taken, of such a thread.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub load_flank: Option<Faces>,
    /// Depth, flats and radii of the basic form.
    pub basic_form: FormSection,
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
    /// Limits to cut to before the coating, when one is told.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub before_coating: Option<Coated>,
    /// The form in section.
    pub drawing: Drawing,
}

impl ThreadSection {
    /// The flanks as the tool meets them.
    #[must_use]
    pub fn flanks(&self) -> Flanks {
        self.flanks_deg.unwrap_or(Flanks::even(self.included_angle_deg / 2.0))
    }
}

/// Limits to cut to where a coating will be added.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Coated {
    /// Pitch diameter, least and most.
    pub pitch_mm: [Quantity; 2],
    /// What the coating adds to the pitch diameter.
    pub adds_mm: Quantity,
}

/// Where the flank that carries the load is taken to face when it is not told: a bolt's, with its head at the headstock. House value.
pub const LOAD_FACES: Faces = Faces::Headstock;

/// Works the thread, as a tool meets it that goes this way.
pub fn reckon(sheet: &mut Worksheet, facts: &ThreadFacts, carriage: Carriage, watch: &mut Vec<Watch>) -> (Thread, ThreadSection) {
    let voice = sheet.voice();
    let spec = facts.spec.clone();
    let d = real(&spec.major);
    let major = Num::from(d);
    let pitch = spec.tpi.map_or_else(|| real(&spec.pitch).into(), |n| sheet.apply(&rules::PITCH_OF_TPI, [real(&n).into()]));
    let lead = sheet.apply(&rules::LEAD, [f64::from(spec.starts).into(), pitch]);
    let family = spec.system.family();
    let other = family.usual_class(spec.side.other(), d);
    // A pair is kept to one fit: a class that belongs to neither side serves both.
    let other = if spec.class.side().is_none() && other.side().is_none() { spec.class } else { other };
    let length_mm = facts.length_mm;
    // No mate engages more than there is of the thread.
    let engagement_mm = facts.engagement_mm.map(|told| told.min(length_mm));
    let mut limits = |class: Class, side: Side| family.limits(sheet, &MemberQuery { spec: &spec, class, side, engagement_mm, length_mm });
    let own = limits(spec.class, spec.side);
    let mate = limits(other, spec.side.other());
    let engagement = engagement_mm.unwrap_or(d).min(length_mm);
    let engaged = (engagement_mm.is_some() || length_mm < d).then(|| family.engagement_note(sheet, &spec, engagement, pitch)).flatten();
    let longer = engaged_past(facts, voice);
    let notes = family.tolerance_note(&spec, [spec.class, other], sheet.voice()).into_iter().chain(longer).chain(engaged);
    watch.extend(notes.map(|(code, text)| Watch::new(Level::Note, code, "thread", text)));
    let (external, internal, external_class, internal_class) = match spec.side {
        Side::External => (&own, &mate, spec.class, other),
        Side::Internal => (&mate, &own, other, spec.class),
    };
    let basic = family.basics(sheet, &spec);
    let angle = |sheet: &mut Worksheet, at: Num| sheet.apply(&rules::LEAD_ANGLE, [lead, at]);
    let angles = [angle(sheet, major), angle(sheet, basic.pitch), angle(sheet, basic.minor)];
    let (met, load_faces) = (spec.flanks(), facts.load_faces.unwrap_or(LOAD_FACES));
    let flanks = if met.are_even() { met } else { Flanks::met(met.both(), load_faces, carriage) };
    let alpha = if flanks.are_even() { flanks.leading.into() } else { sheet.apply(&rules::EVEN_HALF, flanks.both().map(Num::from)) };
    let alpha_deg = alpha.value;
    let (basic_form, radius) = form(sheet, &spec, pitch, basic, alpha);
    let length = facts.length_mm;
    let exact_lead = spec.lead();
    let section_members = (Member::of(external, external_class, major, basic, voice), Member::of(internal, internal_class, major, basic, voice));
    let (own, before_coating) = coated(sheet, &spec, own, facts.coating_mm, flanks);
    let thread = Thread {
        alpha_deg,
        flanks,
        walls_deg: flanks.as_drawn(carriage),
        major,
        pitch,
        lead,
        exact_lead,
        own,
        mate,
        length,
        engagement,
        basic,
        radius,
        lead_angle_pitch: angles[1],
        lead_angle_minor: angles[2],
        lead_angle_major: angles[0],
        spec,
    };
    let section = view(&thread, section_members, (basic_form, before_coating), load_faces, voice);
    (thread, section)
}

/// No mate engages more than there is of the thread.
fn engaged_past(facts: &ThreadFacts, voice: Voice) -> Option<(Code, String)> {
    let length_mm = facts.length_mm;
    facts.engagement_mm.filter(|told| *told > length_mm + 1e-9).map(|told| {
        let text = say!(voice, "thread-engaged-past", told = voice.along(told), length = voice.along(length_mm));
        (Code::EngagementLong, text)
    })
}

/// The thread as it is shown.
fn view(
    thread: &Thread,
    (external, internal): (Member, Member),
    (basic_form, before_coating): (FormSection, Option<Coated>),
    load_faces: Faces,
    voice: Voice,
) -> ThreadSection {
    let (spec, flanks) = (&thread.spec, thread.flanks);
    ThreadSection {
        name: spec.name(),
        size: spec.size.clone(),
        form: spec.system,
        series: spec.series.clone(),
        side: spec.side,
        class: spec.class.to_string(),
        inch: spec.is_inch(),
        major_mm: Quantity::length(voice, thread.major),
        pitch_mm: Quantity::length(voice, thread.pitch),
        pitch_text: spec.pitch_text(),
        lead_mm: Quantity::length(voice, thread.lead),
        starts: spec.starts,
        hand: spec.hand,
        half_angle_deg: flanks.are_even().then_some(thread.alpha_deg),
        included_angle_deg: flanks.included_deg(),
        flanks_deg: (!flanks.are_even()).then_some(flanks),
        load_flank: (!flanks.are_even()).then_some(load_faces),
        basic_form,
        external,
        internal,
        lead_angle_deg: LeadAngles {
            major: Quantity::angle(thread.lead_angle_major),
            pitch: Quantity::angle(thread.lead_angle_pitch),
            minor: Quantity::angle(thread.lead_angle_minor),
        },
        length_mm: Quantity::along(voice, thread.length),
        engagement_mm: Quantity::along(voice, thread.engagement),
        before_coating,
        drawing: super::drawing::section(thread, voice),
    }
}

/// Depth, flats and radius of the basic form, mm.
fn form(sheet: &mut Worksheet, spec: &ThreadSpec, pitch: Num, basic: Basics, alpha: Num) -> (FormSection, Option<Num>) {
    let voice = sheet.voice();
    let family = spec.system.family();
    let major = Num::from(real(&spec.major));
    let crest = sheet.apply(&rules::HALF_OF, [major, basic.pitch]);
    let root = sheet.apply(&rules::HALF_OF, [basic.pitch, basic.minor]);
    let depth = sheet.apply(&rules::HALF_OF, [major, basic.minor]);
    let radius = family.rounded_depth().map(|depth| sheet.apply(&rules::ROUNDING, [pitch, depth.into(), alpha]));
    let section = FormSection {
        word: family.word(),
        depth_mm: Quantity::length(voice, depth),
        crest_flat_mm: Quantity::length(voice, sheet.apply(&rules::FLAT, [pitch, crest, alpha])),
        root_flat_mm: Quantity::length(voice, sheet.apply(&rules::FLAT, [pitch, root, alpha])),
        radius_mm: radius.map(|v| Quantity::length(voice, v)),
    };
    (section, radius)
}

/// The limits to cut to so that a coating brings the thread into its own.
fn coated(sheet: &mut Worksheet, spec: &ThreadSpec, own: Limits, coating_mm: f64, flanks: Flanks) -> (Limits, Option<Coated>) {
    let voice = sheet.voice();
    if coating_mm <= 0.0 {
        return (own, None);
    }
    let flank = flanks.apply(sheet, [&rules::COATED_FLANK, &rules::COATED_FLANKS], &[coating_mm.into()]);
    let flat = sheet.apply(&rules::COATED_FLAT, [coating_mm.into()]);
    let rule = if spec.side == Side::External { &rules::LESS } else { &rules::PLUS };
    let mut by = |of: Num, add: Num| sheet.apply(rule, [of, add]);
    let pitch = (by(own.pitch.0, flank), by(own.pitch.1, flank));
    let mut both = |(low, high): (Option<Num>, Option<Num>)| (low.map(|n| by(n, flat)), high.map(|n| by(n, flat)));
    let (major, minor) = (both(own.major), both(own.minor));
    let said = Coated { pitch_mm: [Quantity::length(voice, pitch.0), Quantity::length(voice, pitch.1)], adds_mm: Quantity::length(voice, flank) };
    (Limits { major, pitch, minor }, Some(said))
}
