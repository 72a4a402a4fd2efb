//! The parts of a lathe in words: what its owner told, what is assumed where nothing was, and what not knowing costs.

use super::drawing;
use crate::faults::{Assumption, Fault};
use crate::job::{
    ArmProfile, CarriageStop, Checked, Chuck, Lathe, LatheFact, LatheProfile, Post, Reads, ScaleZero, Slide, SlideProfile, Source, Speeds, checked,
};
use crate::outline::Drawing;
use crate::quantity::{LengthUnit, MM_PER_INCH, plain_text, ratio_text, short_text};
use crate::say;
use crate::shop::Part;
use crate::shop::questions::{Question, questions};
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
    /// Where it comes from, where it was not simply told: assumed, in part or whole, measured by trial, read from its plate.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub came: Option<String>,
    /// What is lost while it is not told.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub untold: Option<String>,
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
    /// What is asked of its owner, in order.
    pub asks: Vec<Question>,
    /// The lathe, each part under its own role.
    pub drawing: Drawing,
}

/// Looks a lathe over.
///
/// # Errors
/// Every faulty field, with its pointer into the profile.
pub fn look(profile: &LatheProfile, voice: Voice) -> Result<LatheDescription, Vec<Fault>> {
    let Checked { lathe, assumed } = checked(profile, voice)?;
    let voice = Voice { lathe: lathe.kind(), ..voice };
    let mut drawer: Vec<u16> = lathe.gears.iter().map(|g| g.teeth).collect();
    drawer.sort_unstable();
    Ok(LatheDescription {
        name: lathe.name.clone(),
        parts: parts(profile, &lathe, voice),
        drawer,
        assumed,
        asks: questions(profile, voice),
        drawing: drawing::lathe(profile, &lathe, voice),
    })
}

/// A part as it is listed: `told` whether it, or that there is none of it, was told.
fn part(voice: Voice, part: Part, told: bool, untold: &'static str, says: &dyn Fn(Voice) -> String) -> PartView {
    let (own, inch) = (says(voice), says(Voice { unit: LengthUnit::In, ..voice }));
    let lost = (!told && !untold.is_empty()).then(|| say!(voice, untold));
    let came = lost.is_some().then(|| say!(voice, "came-assumed"));
    PartView { part, told, came, untold: lost, inch: (inch != own).then_some(inch), says: own }
}

fn parts(profile: &LatheProfile, lathe: &Lathe, voice: Voice) -> Vec<PartView> {
    let mut all = gear_end(profile, lathe, voice);
    all.extend(bed_end(profile, lathe, voice));
    for view in all.iter_mut().filter(|v| v.told) {
        let of = |name: &str| view.part.fields().contains(&name.split(['.', '/']).next().unwrap_or_default());
        let measured = profile.sources.iter().flatten().any(|(name, source)| of(name) && *source == Source::Trial);
        view.came = if lathe.untold.iter().any(|fact| of(fact.field())) {
            Some(say!(voice, "came-partly"))
        } else if measured {
            Some(say!(voice, "came-trial"))
        } else {
            (view.part == Part::Gearbox && profile.plate.is_some()).then(|| say!(voice, "came-plate"))
        };
    }
    all
}

/// From the leadscrew to the arm.
fn gear_end(profile: &LatheProfile, lathe: &Lathe, voice: Voice) -> Vec<PartView> {
    let part = |name, told, untold, says: &dyn Fn(Voice) -> String| part(voice, name, told, untold, says);
    let is = |told: bool, field: &str| told || profile.none.has(field);
    vec![
        part(Part::Leadscrew, profile.leadscrew.is_some(), "part-leadscrew-untold", &|voice| {
            let (screw, hand) = (&lathe.leadscrew_text, lathe.leadscrew_hand.word());
            match profile.leadscrew.as_ref().and_then(|s| s.diameter_mm) {
                None => say!(voice, "part-leadscrew", screw = screw, hand = hand),
                Some(d) => say!(voice, "part-leadscrew-across", screw = screw, hand = hand, across = voice.given(d)),
            }
        }),
        part(Part::Stud, profile.fixed_ratio.is_some(), "part-stud-untold", &|voice| {
            let ratio = ratio_text(&lathe.fixed);
            if ratio == "1/1" || ratio == "1" { say!(voice, "part-stud-turn-for-turn") } else { say!(voice, "part-stud", ratio = ratio) }
        }),
        part(Part::Gearbox, is(profile.gearbox.is_some() || profile.plate.is_some(), "gearbox"), "", &|voice| gearbox(lathe, voice)),
        part(Part::Tumbler, is(profile.tumbler.is_some(), "tumbler"), "part-tumbler-untold", &|voice| match lathe.tumbler {
            Some([true, true]) => say!(voice, "part-tumbler-both"),
            Some([true, false]) => say!(voice, "part-tumbler-right"),
            Some([false, true]) => say!(voice, "part-tumbler-left"),
            Some([false, false]) => say!(voice, "part-tumbler-none"),
            None => say!(voice, "part-not-told"),
        }),
        part(Part::Gears, !lathe.lacks(LatheFact::Gears), "part-gears-untold", &|voice| {
            if lathe.gears_fixed { say!(voice, "part-gears-fixed") } else { gears(lathe, voice) }
        }),
        part(Part::Mounted, is(lathe.gears_fixed || !lathe.mounted.drivers.is_empty(), "mounted"), "part-mounted-untold", &|voice| {
            let list = |teeth: &[u16]| teeth.iter().map(u16::to_string).collect::<Vec<_>>().join(" · ");
            if lathe.gears_fixed {
                say!(voice, "part-mounted-fixed")
            } else if lathe.mounted.drivers.is_empty() {
                say!(voice, "part-nothing-told")
            } else {
                format!("{} / {}", list(&lathe.mounted.drivers), list(&lathe.mounted.driven))
            }
        }),
        part(Part::Arm, lathe.gears_fixed || is(profile.arm.is_some(), "arm"), "part-arm-untold", &|voice| {
            if lathe.gears_fixed { say!(voice, "part-arm-none") } else { arm(profile.arm.as_ref(), lathe, voice) }
        }),
    ]
}

/// From the dial to the readout.
fn bed_end(profile: &LatheProfile, lathe: &Lathe, voice: Voice) -> Vec<PartView> {
    let part = |name, told, untold, says: &dyn Fn(Voice) -> String| part(voice, name, told, untold, says);
    let is = |told: bool, field: &str| told || profile.none.has(field);
    vec![
        part(Part::Dial, !lathe.lacks(LatheFact::Dial), "part-dial-untold", &|voice| dial(lathe, voice)),
        part(Part::CrossSlide, told(profile.cross_slide.as_ref()), "part-slide-untold", &|voice| slide(&lathe.cross_slide, voice)),
        part(Part::Compound, is(told(profile.compound.as_ref()), "compound"), "part-slide-untold", &|voice| {
            if profile.none.has("compound") { say!(voice, "part-compound-none") } else { compound(profile, lathe, voice) }
        }),
        part(Part::Speeds, !lathe.lacks(LatheFact::Speeds), "part-speeds-untold", &|voice| match &lathe.speeds {
            _ if lathe.cranked() => say!(voice, "part-speeds-cranked"),
            Speeds::Steps(list) => say!(voice, "speed-rpm", rpm = list.iter().map(|s| plain_text(*s, 0)).collect::<Vec<_>>().join(", ")),
            Speeds::Between { from, to } => say!(voice, "part-speeds-between", from = plain_text(*from, 0), to = plain_text(*to, 0)),
        }),
        part(Part::Spindle, profile.spindle.is_some(), "part-spindle-untold", &|voice| spindle(profile, lathe, voice)),
        part(Part::Post, profile.post.is_some(), "part-post-untold", &|voice| {
            if profile.post == Some(Post::Rear) { say!(voice, "part-post-rear") } else { say!(voice, "part-post-front") }
        }),
        part(Part::Stop, is(profile.carriage_stop.is_some(), "carriage_stop"), "", &|voice| match lathe.carriage_stop {
            CarriageStop::None => say!(voice, "part-stop-none"),
            CarriageStop::Fixed => say!(voice, "part-stop-fixed"),
            CarriageStop::Trips => say!(voice, "part-stop-trips"),
        }),
        part(Part::Readout, is(profile.readout.is_some(), "readout"), "", &|voice| readout(profile, voice)),
    ]
}

fn compound(profile: &LatheProfile, lathe: &Lathe, voice: Voice) -> String {
    let own = profile.compound.clone().unwrap_or_default();
    let [low, high] = lathe.compound.swing_deg.map(|deg| plain_text(deg, 0));
    let travel = own.travel_mm.map(|t| say!(voice, "part-travel", travel = voice.given(t)));
    let swing = own.swing_deg.map(|_| say!(voice, "part-swings", low = low, high = high));
    let zero = own.scale_zero.map(|zero| match zero {
        ScaleZero::Bed => say!(voice, "part-scale-bed"),
        ScaleZero::CrossSlide => say!(voice, "part-scale-cross"),
    });
    [slide(&lathe.compound, voice)].into_iter().chain(travel).chain(swing).chain(zero).collect::<Vec<_>>().join(", ")
}

fn told(slide: Option<&SlideProfile>) -> bool {
    slide.is_some_and(|s| s.graduation.is_some() || s.per_turn.is_some())
}

fn gearbox(lathe: &Lathe, voice: Voice) -> String {
    match lathe.gearbox.as_slice() {
        [only] if ratio_text(&only.ratio.0) == "1/1" || ratio_text(&only.ratio.0) == "1" => say!(voice, "part-gearbox-none"),
        [only] => say!(voice, "part-gearbox-one", ratio = ratio_text(&only.ratio.0)),
        list => {
            let by_size = |a: &&crate::job::GearboxPosition, b: &&crate::job::GearboxPosition| a.ratio.0.cmp(&b.ratio.0);
            let of = |p: Option<&crate::job::GearboxPosition>| p.map_or_else(String::new, |p| ratio_text(&p.ratio.0));
            say!(voice, "part-gearbox", n = list.len(), least = of(list.iter().min_by(by_size)), most = of(list.iter().max_by(by_size)))
        }
    }
}

fn gears(lathe: &Lathe, voice: Voice) -> String {
    let mut groups = Vec::new();
    for (i, module) in lathe.modules.iter().enumerate() {
        let teeth: Vec<u16> = lathe.gears.iter().filter(|g| usize::from(g.group) == i).map(|g| g.teeth).collect();
        let (Some(low), Some(high)) = (teeth.iter().min(), teeth.iter().max()) else { continue };
        // A diametral pitch is a whole number; what is not is a module.
        let dp = MM_PER_INCH / module;
        groups.push(if (dp - dp.round()).abs() < 1e-9 {
            say!(voice, "part-gears-dp", n = teeth.len(), dp = plain_text(dp, 0), low = *low, high = *high)
        } else {
            say!(voice, "part-gears-module", n = teeth.len(), module = short_text(*module, 3), low = *low, high = *high)
        });
    }
    let mut pieces: Vec<u8> = lathe.gears.iter().map(|g| g.piece).filter(|p| *p > 0).collect();
    pieces.dedup();
    let bound = lathe.gears.iter().filter(|g| g.places != crate::job::Gear::ANYWHERE).count();
    groups.extend((!pieces.is_empty()).then(|| say!(voice, "part-gears-joined", n = 2 * pieces.len())));
    groups.extend((bound > 0).then(|| say!(voice, "part-gears-bound", n = bound)));
    groups.join("; ")
}

fn arm(told: Option<&ArmProfile>, lathe: &Lathe, voice: Voice) -> String {
    let trains = match lathe.max_compounds {
        0 => say!(voice, "part-arm-simple"),
        1 => say!(voice, "part-arm-compound"),
        _ => say!(voice, "part-arm-six"),
    };
    let (Some(arm), Some(own)) = (&lathe.arm, told) else { return say!(voice, "part-arm-unmeasured", trains = trains) };
    let [near, far, apart] = [arm.reach_mm[0], arm.reach_mm[1], arm.centres_mm].map(|mm| voice.given(mm));
    match own.slot_reach_mm {
        None => say!(voice, "part-arm", apart = apart, studs = arm.studs, trains = trains),
        Some(_) => say!(voice, "part-arm-slot", apart = apart, near = near, far = far, studs = arm.studs, trains = trains),
    }
}

fn dial(lathe: &Lathe, voice: Voice) -> String {
    let Some(dial) = &lathe.dial else { return say!(voice, "part-none") };
    let marks = dial.marks.map_or_else(|| say!(voice, "part-dial-marks-as-teeth"), |m| say!(voice, "part-dial-marks", n = m));
    match dial.teeth.as_slice() {
        [one] => say!(voice, "part-dial", teeth = *one, marks = marks),
        several => say!(voice, "part-dials", teeth = several.iter().map(u16::to_string).collect::<Vec<_>>().join(", "), marks = marks),
    }
}

fn slide(slide: &Slide, voice: Voice) -> String {
    // In its own unit, whatever the page speaks.
    let (scale, unit) = (if slide.unit == LengthUnit::In { MM_PER_INCH } else { 1.0 }, slide.unit.sign());
    let reads = if slide.reads == Reads::Diameter { "diameter" } else { "travel" };
    let (division, turn) = (slide.graduation_mm / scale, slide.graduation_mm * slide.divisions / scale);
    say!(voice, "part-slide", unit = unit, division = short_text(division, 5), turn = short_text(turn, 4), reads = reads)
}

fn spindle(profile: &LatheProfile, lathe: &Lathe, voice: Voice) -> String {
    let chuck = match lathe.chuck {
        Chuck::Screwed => "screwed",
        Chuck::CamLock => "cams",
        Chuck::Bolted => "bolted",
        Chuck::Drawbar => "drawbar",
    };
    let own = profile.spindle.clone().unwrap_or_default();
    let stop = match (own.clutch.unwrap_or(false), own.brake.unwrap_or(false)) {
        (true, true) => "both",
        (true, false) => "clutch",
        (false, true) => "brake",
        (false, false) => "neither",
    };
    let turns = short_text(lathe.coast[0], 2);
    say!(voice, "part-spindle", chuck = chuck, reverses = if lathe.reverses { "yes" } else { "no" }, stop = stop, turns = &turns)
}

fn readout(profile: &LatheProfile, voice: Voice) -> String {
    let Some(readout) = &profile.readout else { return say!(voice, "part-none") };
    let axes = [
        readout.cross_slide.map(|r| if r == Reads::Diameter { say!(voice, "part-reads-diameter") } else { say!(voice, "part-reads-travel") }),
        readout.compound.unwrap_or(false).then(|| say!(voice, "part-reads-compound")),
        readout.carriage.unwrap_or(false).then(|| say!(voice, "word-carriage")),
    ];
    let axes = axes.into_iter().flatten().collect::<Vec<_>>().join(", ");
    // In its own unit, where that was told.
    let own = Voice { unit: readout.unit.unwrap_or(voice.unit), ..voice };
    let (to, told) = readout.resolution_mm.map_or((String::new(), "no"), |r| (own.given(r), "yes"));
    if axes.is_empty() { say!(voice, "part-readout-axes-untold", told = told, to = to) } else { say!(voice, "part-readout", axes = axes, told = told, to = to) }
}
