//! The thread section of a plan: sizes and limits of both members, and lead angles.

use super::class::Class;
use super::families::{self, Ask, Basics, Limits};
use super::rules;
use super::spec::{Hand, Side, System, ThreadSpec};
use crate::job::ThreadFacts;
use crate::outline::Drawing;
use crate::quantity::{Ratio, mm_text, real};
use crate::watch::{Level, Watch};
use crate::working::{Num, Quantity, Sheet};
use serde::Serialize;

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
    fn of((min, max): (Option<Num>, Option<Num>), basic: Num) -> Self {
        Self { min: min.map(Quantity::length), max: max.map(Quantity::length), basic: Quantity::length(basic) }
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
    fn of(limits: &Limits, class: Class, major: Num, basic: Basics) -> Self {
        let (low, high) = limits.pitch;
        Self {
            class: class.to_string(),
            major_mm: Range::of(limits.major, major),
            pitch_mm: Range::of((Some(low), Some(high)), basic.pitch),
            minor_mm: Range::of(limits.minor, basic.minor),
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
    /// Half the included angle, degrees.
    pub half_angle_deg: f64,
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

/// Limits to cut to where a coating will be added.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Coated {
    /// Pitch diameter, least and most.
    pub pitch_mm: [Quantity; 2],
    /// What the coating adds to the pitch diameter.
    pub adds_mm: Quantity,
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
    /// Limits of its mate.
    pub mate: Limits,
    pub length: f64,
    pub engagement: f64,
    /// Basic pitch and minor diameter, mm.
    pub basic: Basics,
    /// Radius of crest and root, of a rounded form.
    pub radius: Option<Num>,
    pub lead_angle_pitch: Num,
    pub lead_angle_minor: Num,
    pub lead_angle_major: Num,
}

impl Thread {
    /// How far the straight flank reaches to either side of the pitch line, mm: to the crest, less what
    /// the rounding takes.
    pub(crate) fn straight_flank(&self) -> f64 {
        let height = (self.major.value - self.basic.pitch.value) / 2.0;
        self.radius.map_or(height, |r| height - r.value * (1.0 - self.alpha_deg.to_radians().sin()))
    }

    /// Height of the basic flank above the pitch line and below it, mm on diameter.
    pub(crate) fn heights(&self) -> [f64; 2] {
        [self.major.value - self.basic.pitch.value, self.basic.pitch.value - self.basic.minor.value]
    }

    /// Classes of this member whose limits of the pitch diameter reach past its own, with those limits, mm: the nearest first.
    pub(crate) fn wider_classes(&self, engagement_mm: Option<f64>) -> Vec<(String, [f64; 2])> {
        let (spec, side) = (&self.spec, self.spec.side);
        let limits = |class: Class| {
            let (low, high) = families::limits(&mut Sheet::default(), &Ask { spec, class, side, engagement_mm }).pitch;
            (class.to_string(), [low.value, high.value])
        };
        let far = |l: &[f64; 2]| if side == Side::External { -l[0] } else { l[1] };
        let own = far(&[self.own.pitch.0.value, self.own.pitch.1.value]);
        let mut list: Vec<_> =
            Class::met(spec.system, side).into_iter().filter(|c| *c != spec.class).map(limits).filter(|(_, l)| far(l) > own + 1e-6).collect();
        list.sort_by(|a, b| far(&a.1).total_cmp(&far(&b.1)));
        list
    }
}

/// Works the thread.
pub(crate) fn work(sheet: &mut Sheet, facts: &ThreadFacts, watch: &mut Vec<Watch>) -> (Thread, ThreadSection) {
    let spec = facts.spec.clone();
    let d = real(&spec.major);
    let major = Num::from(d);
    let pitch = spec.tpi.map_or_else(|| real(&spec.pitch).into(), |n| sheet.work(&rules::PITCH_OF_TPI, [real(&n).into()]));
    let lead = sheet.work(&rules::LEAD, [f64::from(spec.starts).into(), pitch]);
    let other = Class::usual(spec.system, spec.side.other(), d);
    // A pair is kept to one fit: a class that belongs to neither side serves both.
    let other = if spec.class.side().is_none() && other.side().is_none() { spec.class } else { other };
    let engagement_mm = facts.engagement_mm;
    let own = families::limits(sheet, &Ask { spec: &spec, class: spec.class, side: spec.side, engagement_mm });
    let mate = families::limits(sheet, &Ask { spec: &spec, class: other, side: spec.side.other(), engagement_mm });
    let engagement = engagement_mm.unwrap_or(d);
    judge_tolerance(&spec, other, watch);
    judge_engagement(sheet, &spec, engagement_mm, pitch, watch);
    let (external, internal, external_class, internal_class) = match spec.side {
        Side::External => (&own, &mate, spec.class, other),
        Side::Internal => (&mate, &own, other, spec.class),
    };
    let basic = families::basics(sheet, &spec);
    let angle = |sheet: &mut Sheet, at: Num| sheet.work(&rules::LEAD_ANGLE, [lead, at]);
    let angles = [angle(sheet, major), angle(sheet, basic.pitch), angle(sheet, basic.minor)];
    let alpha_deg = spec.half_angle_deg();
    let (basic_form, radius) = form(sheet, &spec, pitch, basic);
    let length = facts.length_mm;
    let exact_lead = spec.lead();
    let alpha = Num::from(alpha_deg);
    let section_members = (Member::of(external, external_class, major, basic), Member::of(internal, internal_class, major, basic));
    let (own, before_coating) = coated(sheet, &spec, own, facts.coating_mm, alpha);
    let thread = Thread {
        alpha_deg,
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
    let spec = &thread.spec;
    let section = ThreadSection {
        name: spec.name(),
        size: spec.size.clone(),
        form: spec.system,
        series: spec.series.clone(),
        side: spec.side,
        class: spec.class.to_string(),
        inch: spec.is_inch(),
        major_mm: Quantity::length(major),
        pitch_mm: Quantity::length(pitch),
        pitch_text: spec.pitch_text(),
        lead_mm: Quantity::length(lead),
        starts: spec.starts,
        hand: spec.hand,
        half_angle_deg: alpha_deg,
        basic_form,
        external: section_members.0,
        internal: section_members.1,
        lead_angle_deg: LeadAngles { major: Quantity::angle(angles[0]), pitch: Quantity::angle(angles[1]), minor: Quantity::angle(angles[2]) },
        length_mm: Quantity::given(length),
        engagement_mm: Quantity::given(engagement),
        before_coating,
        drawing: super::drawing::section(&thread),
    };
    (thread, section)
}

/// Depth, flats and radius of the basic form, mm.
fn form(sheet: &mut Sheet, spec: &ThreadSpec, pitch: Num, basic: Basics) -> (FormSection, Option<Num>) {
    let major = Num::from(real(&spec.major));
    let alpha = Num::from(spec.half_angle_deg());
    let crest = sheet.work(&rules::HALF_OF, [major, basic.pitch]);
    let root = sheet.work(&rules::HALF_OF, [basic.pitch, basic.minor]);
    let depth = sheet.work(&rules::HALF_OF, [major, basic.minor]);
    let depth_in_pitches = if spec.system == System::Ba { 0.6 } else { 0.640_327 };
    let radius = spec.system.is_rounded().then(|| sheet.work(&rules::ROUNDING, [pitch, depth_in_pitches.into(), alpha]));
    let section = FormSection {
        word: spec.system.word(),
        depth_mm: Quantity::length(depth),
        crest_flat_mm: Quantity::length(sheet.work(&rules::FLAT, [pitch, crest, alpha])),
        root_flat_mm: Quantity::length(sheet.work(&rules::FLAT, [pitch, root, alpha])),
        radius_mm: radius.map(Quantity::length),
    };
    (section, radius)
}

/// Says where a tolerance is computed, nominal, or asks for another length class.
fn judge_tolerance(spec: &ThreadSpec, other: Class, watch: &mut Vec<Watch>) {
    let mut note = |code: &'static str, text: &str| watch.push(Watch::new(Level::Note, code, "thread", text.into()));
    if spec.system == System::IsoMetric && [spec.class, other].iter().any(|c| families::iso::computed(spec, *c)) {
        note("tolerance_computed", "Size and pitch are not together in the ISO 965-1 table, so tolerances are computed from its formulas.");
    }
    match spec.system {
        System::Ba => note("tolerance_nominal", "BA sizes are nominal; the band shown is a working one, recalled. Prove the fit with the mate."),
        System::Square => {
            note("tolerance_nominal", "No standard is kept for square threads: the clearance and band shown are house values. Prove the fit with the mate.")
        }
        System::Special if spec.special.is_none_or(|s| s.tolerance_mm.is_none()) => {
            note("tolerance_nominal", "A special thread with no tolerance given: the band shown is what an ISO thread of this size would have.");
        }
        _ => {}
    }
}

/// Says where the engagement told asks for other tolerances than those of a normal length.
fn judge_engagement(sheet: &mut Sheet, spec: &ThreadSpec, told: Option<f64>, pitch: Num, watch: &mut Vec<Watch>) {
    let Some(told) = told else { return };
    let d = real(&spec.major);
    let long = told > 1.5 * d;
    let (code, text) = match spec.system {
        System::IsoMetric => {
            let [least, most] = [&rules::NORMAL_LEAST, &rules::NORMAL_MOST].map(|rule| sheet.work(rule, [d.into(), pitch]).value);
            let span = format!("the N tolerances shown are for {} to {}", mm_text(least), mm_text(most));
            if long || told > most {
                ("engagement_long", format!("The mate engages {}: {span}; ISO 965-1 gives L classes, a grade wider, for this.", mm_text(told)))
            } else if told < least {
                ("engagement_short", format!("The mate engages only {}: {span}; ISO 965-1 gives S classes, a grade closer, for this.", mm_text(told)))
            } else {
                return;
            }
        }
        System::Unified if long => {
            ("engagement_long", "The mate engages more than 1.5 diameters: tolerances are taken at the engagement given, as ASME B1.1 says.".into())
        }
        System::Unified if told < 5.0 * pitch.value => (
            "engagement_short",
            "The mate engages under 5 pitches: tolerances are taken at the engagement given, as ASME B1.1 says; it is weak as well.".into(),
        ),
        _ => return,
    };
    watch.push(Watch::new(Level::Note, code, "thread", text));
}

/// The limits to cut to so that a coating brings the thread into its own.
fn coated(sheet: &mut Sheet, spec: &ThreadSpec, own: Limits, coating_mm: f64, alpha: Num) -> (Limits, Option<Coated>) {
    if coating_mm <= 0.0 {
        return (own, None);
    }
    let flank = sheet.work(&rules::COATED_FLANK, [coating_mm.into(), alpha]);
    let flat = sheet.work(&rules::COATED_FLAT, [coating_mm.into()]);
    let rule = if spec.side == Side::External { &rules::LESS } else { &rules::PLUS };
    let mut by = |of: Num, add: Num| sheet.work(rule, [of, add]);
    let pitch = (by(own.pitch.0, flank), by(own.pitch.1, flank));
    let mut both = |(low, high): (Option<Num>, Option<Num>)| (low.map(|n| by(n, flat)), high.map(|n| by(n, flat)));
    let (major, minor) = (both(own.major), both(own.minor));
    let said = Coated { pitch_mm: [Quantity::length(pitch.0), Quantity::length(pitch.1)], adds_mm: Quantity::length(flank) };
    (Limits { major, pitch, minor }, Some(said))
}
