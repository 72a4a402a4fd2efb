//! Acts: things done at the lathe. They are never changed, only added to.

use crate::gauge::{FieldFault, Measured, length_within};
use crate::quantity::LengthUnit;
use crate::run::{RunPlan, Symptom};
use crate::say;
use crate::thread::{Fit, FitKind, FitTold, Touched};
use crate::voice::Voice;
use serde::{Deserialize, Serialize};

/// What was done.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[serde(tag = "kind", rename_all = "snake_case", deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum ActKind {
    /// A pass was cut.
    PassDone {
        /// Its number.
        n: u32,
        /// Radial depth it was cut at, as the hand saw it, mm.
        radial_mm: f64,
    },
    /// A size was read.
    Measured(Measured),
    /// The mate was tried.
    Tried {
        /// How it went.
        fit: FitKind,
        /// Turns it entered, when it enters and stops.
        #[serde(default, skip_serializing_if = "Option::is_none")]
        turns: Option<f64>,
        /// How much it shakes across, mm, when it shakes.
        #[serde(default, skip_serializing_if = "Option::is_none")]
        shake_mm: Option<f64>,
        /// How much it stands off from where it would sit home, mm, when it was laid on.
        #[serde(default, skip_serializing_if = "Option::is_none")]
        stands_off_mm: Option<f64>,
        /// What met before the threads did; absent where nobody was asked.
        #[serde(default, skip_serializing_if = "Option::is_none")]
        touched: Option<Touched>,
    },
    /// Something was wrong, and what was looked for behind it.
    Trouble {
        /// What was wrong.
        symptom: Symptom,
        /// The cause looked for, by its code.
        cause: String,
        /// Whether it was that.
        found: bool,
    },
    /// The dial that carries the depth stands at a reading, in its own unit.
    StandsAt {
        /// The reading.
        reading: f64,
    },
    /// A pass was cut at another reading than was asked for.
    Took {
        /// Its number.
        n: u32,
        /// What the dial that carries the depth read, in its own unit.
        reading: f64,
    },
    /// One more pass at the depth the dial stands at.
    Sprung {},
    /// The bit was ground again, or another put in its place.
    BitChanged {
        /// What became of the one before.
        why: BitChange,
        /// Flat of the one that goes on, mm.
        #[serde(default, skip_serializing_if = "Option::is_none")]
        tip_flat_mm: Option<f64>,
        /// Or its radius, mm.
        #[serde(default, skip_serializing_if = "Option::is_none")]
        tip_radius_mm: Option<f64>,
    },
    /// The tip was wound into the groove till it touched: where the dial that carries the depth read, from its zero on the crest.
    GrooveTouched {
        /// The reading, in the dial's own unit.
        reading: f64,
        /// Whether only the bottom marked the blue: the tip is then sharper than the root it found.
        #[serde(default, skip_serializing_if = "std::ops::Not::not")]
        bottom_only: bool,
    },
    /// The work was out of its holding and is back.
    Rechucked {
        /// How it is back; absent where it may have moved.
        #[serde(default, skip_serializing_if = "Option::is_none")]
        back: Option<Back>,
        /// What an indicator swings on it since, mm, where that was read.
        #[serde(default, skip_serializing_if = "Option::is_none")]
        swing_mm: Option<f64>,
    },
    /// The half-nut was opened where it should have stayed closed, or the thread was lost some other way.
    Lost {},
    /// Stopped for now.
    Stopped {},
    /// Gone on with.
    Resumed {},
    /// Done with, at the lathe.
    Finished {},
    /// A step of the set-up is done.
    Ticked {
        /// Its code.
        step: String,
        /// Its stamp then.
        stamp: String,
        /// What was noted with it.
        #[serde(default, skip_serializing_if = "Option::is_none")]
        noted: Option<String>,
    },
    /// It is not, after all.
    Unticked {
        /// Its code.
        step: String,
    },
    /// An earlier act is taken back.
    Undone {
        /// The act.
        act: String,
    },
    /// A plain size of the part was read.
    Sized {
        /// Its name, as the part's plain sizes have it.
        name: String,
        /// As read, mm.
        mm: f64,
    },
    /// A pass ran past the mark it was to end at.
    Overran {
        /// How far, mm.
        past_mm: f64,
    },
    /// The part is spoilt, and goes to scrap.
    Scrapped {
        /// Why, in the user's words.
        why: String,
    },
    /// Something worth remembering.
    Note {
        /// In the user's words.
        text: String,
    },
}

/// How work that was out of the lathe is back in it.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Back {
    /// Between centres, the dog in the same slot, its tail pulled the same way.
    SameSlot,
    /// In its chuck, which was off with it and is back on its marked place.
    ChuckOnItsMark,
    /// One place or slot further round.
    AnotherPlace,
    /// In its chuck or collet, gripped anew.
    GrippedAnew,
    /// Parted off for a trial, and gripped by what was finished with it.
    PartedOff,
}

impl Back {
    /// Whether it stands to the leadscrew as it did.
    #[must_use]
    pub const fn keeps(self) -> bool {
        matches!(self, Self::SameSlot | Self::ChuckOnItsMark)
    }

    /// As sentences choose by it.
    #[must_use]
    pub const fn word(self) -> &'static str {
        match self {
            Self::SameSlot => "slot",
            Self::ChuckOnItsMark => "mark",
            Self::AnotherPlace => "place",
            Self::GrippedAnew => "anew",
            Self::PartedOff => "parted",
        }
    }
}

/// What became of a bit in the middle of a cut.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum BitChange {
    /// It broke.
    Broke,
    /// It was ground again.
    Reground,
    /// Another was put in its place.
    Swapped,
}

/// An act, in the order it was recorded.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Act {
    /// Made by the client.
    pub id: String,
    /// What was done.
    #[serde(flatten)]
    pub kind: ActKind,
}

/// Whose figures a reading of the dial is in.
const DIAL: &str = "bounds-dial";
/// Of a count.
const COUNT: &str = "bounds-count";

/// Holds a count, or a reading of a dial, to its bounds.
fn figure_within(field: &'static str, value: f64, high: f64, id: &'static str, voice: Voice) -> Result<(), FieldFault> {
    let within = value.is_finite() && (0.0..=high).contains(&value);
    within.then_some(()).ok_or_else(|| (field, say!(voice, id, value = value.to_string(), high = high.to_string())))
}

impl ActKind {
    /// Checks what was typed: every faulty field, and what would be right there.
    ///
    /// # Errors
    /// The JSON pointers of the fields, each with what would be right.
    pub fn check(&self, voice: Voice) -> Result<(), Vec<FieldFault>> {
        let length = |field, mm, low, high| length_within(field, mm, low, high, voice);
        let letters = |field, text: &str, most: usize, id: &'static str| {
            let fits = !text.trim().is_empty() && text.chars().count() <= most;
            fits.then_some(()).ok_or_else(|| (field, say!(voice, id)))
        };
        let checks: Vec<Result<(), FieldFault>> = match self {
            Self::Measured(reading) => return reading.check(voice),
            Self::PassDone { n, radial_mm } => vec![figure_within("/n", f64::from(*n), 1000.0, COUNT, voice), length("/radial_mm", *radial_mm, 0.0, 100.0)],
            Self::Tried { fit, turns, shake_mm, stands_off_mm, touched } => {
                let told = FitTold { turns: *turns, shake_mm: *shake_mm, stands_off_mm: *stands_off_mm };
                let fit = Fit::of(*fit, told);
                let goes = fit.as_ref().is_ok_and(|fit| fit.goes()) && touched.is_some_and(|t| t != Touched::Nothing);
                vec![
                    fit.map(|_| ()).map_err(|(field, why)| (field, why.said(voice))),
                    if goes { Err(("/touched", say!(voice, "act-touched-belongs"))) } else { Ok(()) },
                ]
            }
            Self::StandsAt { reading } | Self::GrooveTouched { reading, .. } => vec![figure_within("/reading", *reading, 200.0, DIAL, voice)],
            Self::Took { n, reading } => {
                vec![figure_within("/n", f64::from(*n), 1000.0, COUNT, voice), figure_within("/reading", *reading, 200.0, DIAL, voice)]
            }
            Self::Sized { name, mm } => {
                vec![letters("/name", name, 40, "act-plain-size-named"), length("/mm", *mm, 0.05, 5100.0)]
            }
            Self::Rechucked { swing_mm, .. } => swing_mm.iter().map(|swing| length("/swing_mm", *swing, 0.0, 20.0)).collect(),
            Self::Overran { past_mm } => vec![length("/past_mm", *past_mm, 0.0, 100.0)],
            Self::Scrapped { why } => vec![letters("/why", why, 400, "act-say-what-spoilt")],
            Self::Undone { act } => vec![letters("/act", act, 200, "act-name-act")],
            Self::Note { text } => vec![letters("/text", text, 4000, "act-note-letters")],
            Self::BitChanged { tip_flat_mm, tip_radius_mm, .. } => vec![
                tip_flat_mm.map_or(Ok(()), |f| length("/tip_flat_mm", f, 0.0, 50.0)),
                tip_radius_mm.map_or(Ok(()), |r| length("/tip_radius_mm", r, 0.0, 20.0)),
                tip_flat_mm.and(*tip_radius_mm).map_or(Ok(()), |_| Err(("/tip_radius_mm", say!(voice, "act-flat-or-radius")))),
            ],
            Self::Ticked { step, stamp, noted } => vec![
                letters("/step", step, 40, "act-step-code"),
                if stamp.chars().count() > 64 { Err(("/stamp", say!(voice, "act-stamp-letters"))) } else { Ok(()) },
                noted.as_ref().filter(|n| n.chars().count() > 200).map_or(Ok(()), |_| Err(("/noted", say!(voice, "act-noted-letters")))),
            ],
            Self::Trouble { .. } | Self::Sprung {} | Self::Lost {} | Self::Stopped {} | Self::Resumed {} | Self::Finished {} | Self::Unticked { .. } => {
                Vec::new()
            }
        };
        let wrong: Vec<FieldFault> = checks.into_iter().filter_map(Result::err).collect();
        if wrong.is_empty() { Ok(()) } else { Err(wrong) }
    }

    /// Whether it is something done to the metal, which freezes the plan.
    #[must_use]
    pub const fn begins(&self) -> bool {
        matches!(self, Self::PassDone { .. } | Self::Measured(_) | Self::Tried { .. } | Self::StandsAt { .. } | Self::Took { .. })
    }

    /// Whether it only makes sense once the cut has begun.
    #[must_use]
    pub const fn goes_on(&self) -> bool {
        matches!(
            self,
            Self::Sprung {}
                | Self::BitChanged { .. }
                | Self::GrooveTouched { .. }
                | Self::Overran { .. }
                | Self::Rechucked { .. }
                | Self::Lost {}
                | Self::Stopped {}
                | Self::Resumed {}
                | Self::Finished {}
        )
    }

    /// Whether undo at the lathe takes it back: what was noted or found wrong, and ticks, are let stand.
    #[must_use]
    pub const fn undoes(&self) -> bool {
        !matches!(self, Self::Note { .. } | Self::Trouble { .. } | Self::Undone { .. } | Self::Ticked { .. } | Self::Unticked { .. })
    }

    /// How the mate went, when it was tried.
    #[must_use]
    pub fn tried(&self) -> Option<Fit> {
        match *self {
            Self::Tried { fit, turns, shake_mm, stands_off_mm, .. } => Fit::of(fit, FitTold { turns, shake_mm, stands_off_mm }).ok(),
            _ => None,
        }
    }

    /// What met before the threads did, when the mate was tried and that was asked.
    #[must_use]
    pub const fn touched(&self) -> Option<Touched> {
        match self {
            Self::Tried { touched, .. } => *touched,
            _ => None,
        }
    }

    /// The reading, when the act is one.
    #[must_use]
    pub const fn measured(&self) -> Option<&Measured> {
        match self {
            Self::Measured(reading) => Some(reading),
            _ => None,
        }
    }
}

impl RunPlan {
    /// Checks an act against the plan it would be recorded under, beyond what [`ActKind::check`] can
    /// see alone.
    ///
    /// # Errors
    /// The JSON pointer of the field and what would be right.
    pub fn check(&self, act: &ActKind, voice: Voice) -> Result<(), (&'static str, String)> {
        if let Some(reading) = act.measured() {
            return reading.check_against(self, voice);
        }
        let by_dial = |act: &ActKind| {
            use ActKind::{BitChanged, GrooveTouched, Lost, Overran, Sprung, StandsAt, Took};
            matches!(act, StandsAt { .. } | Took { .. } | Sprung {} | BitChanged { .. } | GrooveTouched { .. } | Lost {} | Overran { .. })
        };
        if self.chased() && by_dial(act) {
            return Err(("/kind", say!(voice, "act-of-a-single-point", by = self.maker.word())));
        }
        // The width of a square tool sets no depth, and no touch tells it.
        if matches!(act, ActKind::BitChanged { tip_flat_mm: None, .. }) && self.straight() {
            return Err(("/tip_flat_mm", say!(voice, "act-square-width")));
        }
        if matches!(act, ActKind::GrooveTouched { .. }) && self.straight() {
            return Err(("/kind", say!(voice, "act-square-touch")));
        }
        let (ActKind::StandsAt { reading } | ActKind::Took { reading, .. } | ActKind::GrooveTouched { reading, .. }) = act else { return Ok(()) };
        let deepest = self.passes.iter().map(|p| p.radial_mm).fold(0.0, f64::max);
        let radial = self.dial.radial_of_reading(*reading);
        if radial <= 2.0 * deepest + 1.0 {
            return Ok(());
        }
        let full = self.dial.nearest(deepest).setting.reading;
        let other = if self.dial.unit == LengthUnit::In { "mm" } else { "in" };
        Err(("/reading", say!(voice, "act-past-full-depth", full = full.to_string(), reading = reading.to_string(), other = other)))
    }
}
