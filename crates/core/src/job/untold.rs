//! What was not told of a lathe: each fact taken in its place is named, so that nothing stands on it unsaid.

use super::lathe::{Lathe, Slide, assumed_lathe};
use super::lathe_fact::LatheFact;
use super::profile::{LatheProfile, Power, Reads, SlideProfile, Speeds, ThreadAxis};
use crate::faults::{Assumption, Checker, Fault};
use crate::quantity::{LengthUnit, MM_PER_INCH, short_text};
use crate::sentence;
use crate::voice::Voice;

/// Whether what a slide's dial says is known only in part.
fn in_part(slide: Option<&SlideProfile>) -> bool {
    slide.is_none_or(|s| s.unit.is_none() || s.graduation.is_none() || s.per_turn.is_none())
}

impl LatheProfile {
    /// Checks the profile, noting every faulty field and every fact assumed under `at`; faults aside, what is returned is usable.
    pub(crate) fn check(&self, at: &str, c: &mut Checker) -> Lathe {
        let mut lathe = self.as_told(at, c);
        lathe.untold = self.untold(&lathe);
        assume(&lathe, at, c);
        lathe
    }

    /// The facts nobody told; one there is none of was told.
    fn untold(&self, lathe: &Lathe) -> Vec<LatheFact> {
        let spindle = self.spindle.clone().unwrap_or_default();
        let cross = self.cross_slide.as_ref();
        let read_out = lathe.readout.is_some_and(|r| r.cross_slide.is_some());
        let speeds = !matches!(&self.speeds_rpm, Some(Speeds::Between { .. })) && !matches!(&self.speeds_rpm, Some(Speeds::Steps(list)) if !list.is_empty());
        let untold = |fact: &LatheFact| match fact {
            LatheFact::Screw => self.leadscrew.as_ref().is_none_or(|s| s.tpi.is_none() && s.pitch_mm.is_none()),
            LatheFact::Gears => !lathe.gears_fixed && self.gears.is_none() && self.gear_groups.is_none(),
            LatheFact::Dial => lathe.half_nut() && self.dial.as_ref().is_none_or(|d| d.teeth.is_none()) && !self.none.has("dial"),
            LatheFact::CrossSlide => !read_out && in_part(cross),
            LatheFact::CrossSlideReads => !read_out && cross.is_none_or(|s| s.reads.is_none()),
            LatheFact::Compound => lathe.compound_feeds && in_part(self.compound.as_ref()),
            LatheFact::Speeds => lathe.power != Power::Hand && speeds,
            LatheFact::Chuck => spindle.chuck.is_none() && !spindle.none.has("chuck"),
            LatheFact::Reverses => lathe.power == Power::Motor && spindle.reverses.is_none() && !spindle.none.has("reverses"),
            LatheFact::Coast => lathe.power != Power::Hand && spindle.coast_turns.is_none(),
            // One that drives the top slide has none.
            LatheFact::HalfNut => self.half_nut.is_none() && self.thread_axis != Some(ThreadAxis::TopSlide),
            LatheFact::Drive => self.drive.is_none(),
            LatheFact::Post => self.post.is_none(),
        };
        LatheFact::ALL.into_iter().filter(untold).collect()
    }
}

/// Names what is taken for each fact not told, beyond the screw, the gears and the coasting, which are named where they are read.
fn assume(lathe: &Lathe, at: &str, c: &mut Checker) {
    let slide = |slide: &Slide| {
        let (scale, unit) = if slide.unit == LengthUnit::In { (MM_PER_INCH, "in") } else { (1.0, "mm") };
        let division = slide.graduation_mm / scale;
        (short_text(division, 6), short_text(division * slide.divisions, 6), unit)
    };
    for fact in &lathe.untold {
        let says = match fact {
            LatheFact::Screw | LatheFact::Gears | LatheFact::Coast => continue,
            LatheFact::Dial => {
                let dial = lathe.dial.as_ref();
                let teeth = dial.and_then(|d| d.teeth.first()).copied().unwrap_or_default();
                sentence!("untold-dial", teeth = teeth, marks = dial.and_then(|d| d.marks).unwrap_or_default())
            }
            LatheFact::CrossSlide => {
                let (division, turn, unit) = slide(&lathe.cross_slide);
                sentence!("untold-cross-slide", division = division, turn = turn, unit = unit)
            }
            LatheFact::CrossSlideReads => sentence!("untold-reads", reads = if lathe.cross_slide.reads == Reads::Diameter { "diameter" } else { "radius" }),
            LatheFact::Compound => {
                let (division, turn, unit) = slide(&lathe.compound);
                sentence!("untold-compound", division = division, turn = turn, unit = unit)
            }
            LatheFact::Speeds => sentence!("untold-speeds", from = short_text(lathe.speeds.slowest(), 1), to = short_text(lathe.speeds.fastest(), 1)),
            LatheFact::Chuck => sentence!("untold-chuck"),
            LatheFact::HalfNut => sentence!("untold-half-nut"),
            LatheFact::Drive => sentence!("untold-drive"),
            LatheFact::Post => sentence!("untold-post"),
            LatheFact::Reverses => sentence!("untold-reverses", does = lathe.reverses.to_string()),
        };
        c.assume(format!("{at}/{}", fact.field()), says);
    }
}

/// The assumed lathe as it is reckoned with: nothing of it was told, and each fact is named as assumed.
pub(crate) fn nobodys(at: &str, c: &mut Checker) -> Lathe {
    let mut lathe = assumed_lathe().as_told(at, c);
    lathe.untold = LatheFact::ALL.to_vec();
    assume(&lathe, at, c);
    lathe
}

/// A profile checked by itself.
#[derive(Debug, Clone)]
pub struct Checked {
    /// The lathe as it is reckoned with.
    pub lathe: Lathe,
    /// What was assumed of it.
    pub assumed: Vec<Assumption>,
}

/// Checks a profile by itself.
///
/// # Errors
/// Every faulty field, with its pointer into the profile.
pub fn checked(profile: &LatheProfile, voice: Voice) -> Result<Checked, Vec<Fault>> {
    let mut c = Checker::spoken(voice);
    let lathe = profile.check("", &mut c);
    if c.faults.is_empty() { Ok(Checked { lathe, assumed: c.assumed }) } else { Err(c.faults) }
}
