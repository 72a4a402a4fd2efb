//! The parts of a lathe in words: what its owner told, what is assumed where nothing was, and what not knowing costs.

use super::drawing;
use crate::direction::Hand;
use crate::faults::{Assumption, Fault};
use crate::job::{ArmProfile, CarriageStop, Checked, Chuck, Lathe, LatheProfile, Post, Reads, ScaleZero, Slide, SlideProfile, Speeds, checked};
use crate::outline::Drawing;
use crate::quantity::{LengthUnit, MM_PER_INCH, plain_text, ratio_text, short_text};
use crate::shop::Part;
use crate::voice::Voice;
use serde::Serialize;

/// One part in words.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct PartView {
    /// Which.
    pub part: Part,
    /// As it stands, or as it is assumed to.
    pub says: String,
    /// The same with its lengths in inches, where it has any.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub inch: Option<String>,
    /// Whether its owner told it.
    pub told: bool,
    /// What is lost while it is not told.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub untold: Option<&'static str>,
}

/// A lathe in words and drawn.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct LatheDescription {
    /// What it is called.
    pub name: String,
    /// Its parts, in the order they are told.
    pub parts: Vec<PartView>,
    /// Every gear in the drawer, fewest teeth first.
    pub drawer: Vec<u16>,
    /// What was assumed of it.
    pub assumed: Vec<Assumption>,
    /// The lathe, each part under its own role.
    pub drawing: Drawing,
}

/// Looks a lathe over.
///
/// # Errors
/// Every faulty field, with its pointer into the profile.
pub fn look(profile: &LatheProfile, voice: Voice) -> Result<LatheDescription, Vec<Fault>> {
    let Checked { lathe, assumed } = checked(profile, voice)?;
    let mut drawer: Vec<u16> = lathe.gears.iter().map(|g| g.teeth).collect();
    drawer.sort_unstable();
    Ok(LatheDescription { name: lathe.name.clone(), parts: parts(profile, &lathe, voice), drawer, assumed, drawing: drawing::lathe(profile, &lathe, voice) })
}

fn parts(profile: &LatheProfile, lathe: &Lathe, voice: Voice) -> Vec<PartView> {
    let part = |part: Part, told: bool, untold: &'static str, says: &dyn Fn(LengthUnit) -> String| {
        let (own, inch) = (says(voice.unit), says(LengthUnit::In));
        PartView { part, told, untold: (!told && !untold.is_empty()).then_some(untold), inch: (inch != own).then_some(inch), says: own }
    };
    vec![
        part(Part::Leadscrew, profile.leadscrew.is_some(), "Every train is reckoned from it: count its threads first.", &|unit| {
            let across = profile.leadscrew.as_ref().and_then(|s| s.diameter_mm).map_or_else(String::new, |d| format!(", {} across", length(d, unit)));
            format!("{}, {}-hand{across}", lathe.leadscrew_text, if lathe.leadscrew_hand == Hand::Right { "right" } else { "left" })
        }),
        part(Part::Stud, profile.fixed_ratio.is_some(), "Ten turns of the spindle and a rule along the bed would tell.", &|_| {
            let ratio = ratio_text(&lathe.fixed);
            if ratio == "1/1" || ratio == "1" { "turn for turn with the spindle".into() } else { format!("{ratio} of a turn for each turn of the spindle") }
        }),
        part(Part::Gearbox, profile.gearbox.is_some() || profile.plate.is_some(), "", &|_| gearbox(lathe)),
        part(Part::Tumbler, profile.tumbler.is_some(), "Without it the idlers are taken to give the hand.", &|_| match lathe.tumbler {
            Some([true, true]) => "turns the leadscrew either way".into(),
            Some([true, false]) => "has the right-hand place only".into(),
            Some([false, true]) => "has the left-hand place only".into(),
            Some([false, false]) => "there is none: idlers give the hand".into(),
            None => "not told".into(),
        }),
        part(Part::Gears, profile.gears.is_some() || profile.gear_groups.is_some(), "A common set of module 1, 20 to 127, stands in for yours.", &|_| {
            gears(lathe)
        }),
        part(Part::Mounted, !lathe.mounted.drivers.is_empty(), "Until it is told every gear counts as a change.", &|_| {
            let list = |teeth: &[u16]| teeth.iter().map(u16::to_string).collect::<Vec<_>>().join(" · ");
            if lathe.mounted.drivers.is_empty() { "nothing told".into() } else { format!("{} / {}", list(&lathe.mounted.drivers), list(&lathe.mounted.driven)) }
        }),
        part(Part::Arm, profile.arm.is_some(), "Until it is measured a train is judged by its tooth counts alone.", &|unit| {
            arm(profile.arm.as_ref(), lathe, unit)
        }),
        part(Part::Dial, profile.dial.is_some(), "", &|_| dial(lathe)),
        part(Part::CrossSlide, told(profile.cross_slide.as_ref()), "Settings are given on this dial: read a division and a turn off it.", &|_| {
            slide(&lathe.cross_slide)
        }),
        part(Part::Compound, told(profile.compound.as_ref()), "Settings are given on this dial: read a division and a turn off it.", &|unit| {
            let own = profile.compound.clone().unwrap_or_default();
            let travel = own.travel_mm.map_or_else(String::new, |t| format!(", travel {}", length(t, unit)));
            let [low, high] = lathe.compound.swing_deg;
            let swing = own.swing_deg.map_or_else(String::new, |_| format!(", swings {} to {}°", plain_text(low, 0), plain_text(high, 0)));
            let zero = match own.scale_zero {
                Some(ScaleZero::Bed) => ", scale zero along the bed",
                Some(ScaleZero::CrossSlide) => ", scale zero along the cross-slide",
                None => "",
            };
            format!("{}{travel}{swing}{zero}", slide(&lathe.compound))
        }),
        part(Part::Speeds, profile.speeds_rpm.is_some(), "These stand in for yours.", &|_| match &lathe.speeds {
            Speeds::Steps(list) => format!("{} rpm", list.iter().map(|s| plain_text(*s, 0)).collect::<Vec<_>>().join(", ")),
            Speeds::Between { from, to } => format!("any from {} to {} rpm", plain_text(*from, 0), plain_text(*to, 0)),
        }),
        part(Part::Spindle, profile.spindle.is_some(), "Told, it settles whether the spindle may be reversed and how it stops.", &|_| spindle(profile, lathe)),
        part(Part::Post, profile.post.is_some(), "", &|_| if profile.post == Some(Post::Rear) { "at the rear".into() } else { "at the front".into() }),
        part(Part::Stop, profile.carriage_stop.is_some(), "", &|_| match lathe.carriage_stop {
            CarriageStop::None => "none on the bed".into(),
            CarriageStop::Fixed => "a fixed block on the bed".into(),
            CarriageStop::Trips => "one that throws the feed out".into(),
        }),
        part(Part::Readout, profile.readout.is_some(), "", &|unit| readout(profile, unit, voice)),
    ]
}

/// A length in the unit asked, without noughts nobody measured.
fn length(mm: f64, unit: LengthUnit) -> String {
    Voice { unit, ..Voice::default() }.given(mm)
}

fn told(slide: Option<&SlideProfile>) -> bool {
    slide.is_some_and(|s| s.graduation.is_some() || s.per_turn.is_some())
}

fn gearbox(lathe: &Lathe) -> String {
    match lathe.gearbox.as_slice() {
        [only] if ratio_text(&only.ratio.0) == "1/1" || ratio_text(&only.ratio.0) == "1" => "none: the train drives it straight".into(),
        [only] => format!("one ratio, {}", ratio_text(&only.ratio.0)),
        list => {
            let by_size = |a: &&crate::job::GearboxPosition, b: &&crate::job::GearboxPosition| a.ratio.0.cmp(&b.ratio.0);
            let of = |p: Option<&crate::job::GearboxPosition>| p.map_or_else(String::new, |p| ratio_text(&p.ratio.0));
            format!("{} lever positions, {} to {}", list.len(), of(list.iter().min_by(by_size)), of(list.iter().max_by(by_size)))
        }
    }
}

fn gears(lathe: &Lathe) -> String {
    let mut groups = Vec::new();
    for (i, module) in lathe.modules.iter().enumerate() {
        let teeth: Vec<u16> = lathe.gears.iter().filter(|g| usize::from(g.group) == i).map(|g| g.teeth).collect();
        let (Some(low), Some(high)) = (teeth.iter().min(), teeth.iter().max()) else { continue };
        // A diametral pitch is a whole number; what is not is a module.
        let dp = MM_PER_INCH / module;
        let pitch = if (dp - dp.round()).abs() < 1e-9 { format!("DP {}", plain_text(dp, 0)) } else { format!("module {}", short_text(*module, 3)) };
        groups.push(format!("{} of {pitch}, {low} to {high} teeth", teeth.len()));
    }
    let mut pieces: Vec<u8> = lathe.gears.iter().map(|g| g.piece).filter(|p| *p > 0).collect();
    pieces.dedup();
    let bound = lathe.gears.iter().filter(|g| g.places != crate::job::Gear::ANYWHERE).count();
    let mut says = groups.join("; ");
    if !pieces.is_empty() {
        says.push_str(&format!("; {} joined in pairs", 2 * pieces.len()));
    }
    if bound > 0 {
        says.push_str(&format!("; {bound} on some shafts only"));
    }
    says
}

fn arm(told: Option<&ArmProfile>, lathe: &Lathe, unit: LengthUnit) -> String {
    let trains = match lathe.max_compounds {
        0 => "simple trains only",
        1 => "trains of two or four gears",
        _ => "trains of up to six gears",
    };
    let (Some(arm), Some(own)) = (&lathe.arm, told) else { return format!("not measured, {trains}") };
    let slot = own.slot_reach_mm.as_deref().map_or_else(String::new, |_| {
        let [near, far] = arm.reach_mm;
        format!(", studs {} to {} from it", length(near, unit), length(far, unit))
    });
    let studs = if arm.studs == 1 { "1 stud".to_owned() } else { format!("{} studs", arm.studs) };
    format!("stud to leadscrew {}{slot}, {studs}, {trains}", length(arm.centres_mm, unit))
}

fn dial(lathe: &Lathe) -> String {
    let Some(dial) = &lathe.dial else { return "none".into() };
    let marks = dial.marks.map_or_else(|| "marks as many as teeth".to_owned(), |m| format!("{m} marks"));
    match dial.teeth.as_slice() {
        [one] => format!("{one} teeth, {marks}"),
        several => format!("gears of {} teeth, {marks}", several.iter().map(u16::to_string).collect::<Vec<_>>().join(", ")),
    }
}

fn slide(slide: &Slide) -> String {
    // In its own unit, whatever the page speaks.
    let (scale, unit) = (if slide.unit == LengthUnit::In { MM_PER_INCH } else { 1.0 }, slide.unit.sign());
    let reads = if slide.reads == Reads::Diameter { "reads diameter" } else { "reads travel" };
    let (division, turn) = (slide.graduation_mm / scale, slide.graduation_mm * slide.divisions / scale);
    format!("{} {unit} a division, {} {unit} a turn, {reads}", short_text(division, 5), short_text(turn, 4))
}

fn spindle(profile: &LatheProfile, lathe: &Lathe) -> String {
    let chuck = match lathe.chuck {
        Chuck::Screwed => "chuck screwed on",
        Chuck::CamLock => "chuck held by cams",
        Chuck::Bolted => "chuck bolted on",
    };
    let own = profile.spindle.clone().unwrap_or_default();
    let stop = match (own.clutch.unwrap_or(false), own.brake.unwrap_or(false)) {
        (true, true) => "clutch and brake",
        (true, false) => "a clutch",
        (false, true) => "a brake",
        (false, false) => "neither clutch nor brake",
    };
    let turns = short_text(lathe.coast[0], 2);
    format!("{chuck}, {}, {stop}, coasts {turns} {}", if lathe.reverses { "reverses" } else { "does not reverse" }, if turns == "1" { "turn" } else { "turns" })
}

fn readout(profile: &LatheProfile, unit: LengthUnit, voice: Voice) -> String {
    let Some(readout) = &profile.readout else { return "none".into() };
    let axes = [
        readout.cross_slide.map(|r| if r == Reads::Diameter { "cross-slide as diameter" } else { "cross-slide as travel" }),
        readout.compound.unwrap_or(false).then_some(voice.words().compound),
        readout.carriage.unwrap_or(false).then_some("carriage"),
    ];
    let axes = axes.into_iter().flatten().collect::<Vec<_>>().join(", ");
    // In its own unit, where that was told.
    let unit = readout.unit.unwrap_or(unit);
    let to = readout.resolution_mm.map_or_else(String::new, |r| format!(", to {}", length(r, unit)));
    if axes.is_empty() { format!("there is one{to}; which slides it reads is not told") } else { format!("reads {axes}{to}") }
}
