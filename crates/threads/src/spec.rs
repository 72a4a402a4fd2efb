//! What a thread is, once its callout is read.

use super::class::Class;
use super::series::pitch_text;
use crate::direction::Hand;
use crate::quantity::{MM_PER_INCH, Ratio, real};
use crate::voice::Voice;
use crate::{Side, System};
use yoke_ground::say;

/// The form of a special thread, mm; what is not given follows from the angle.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct SpecialForm {
    /// Included angle, degrees; 0 for straight sides.
    pub included_angle_deg: f64,
    /// Flat on the screw's crest.
    pub crest_flat_mm: Option<f64>,
    /// Flat at the screw's root.
    pub root_flat_mm: Option<f64>,
    /// Diameter at the screw's root, instead of the root flat.
    pub minor_mm: Option<f64>,
    /// Pitch-diameter tolerance.
    pub tolerance_mm: Option<f64>,
}

/// A thread as called for.
#[derive(Debug, Clone, PartialEq)]
pub struct ThreadSpec {
    /// Family.
    pub system: System,
    /// Size without class or hand, as it is usually written: `M20×2.5`, `7/8-9 UNC`.
    pub size: String,
    /// Exact nominal diameter, mm.
    pub major: Ratio,
    /// Exact pitch, mm.
    pub pitch: Ratio,
    /// Threads per inch, for inch threads.
    pub tpi: Option<Ratio>,
    /// `coarse`, `fine`, `UNC`, `8-UN` …
    pub series: String,
    /// Starts, 1-12.
    pub starts: u8,
    /// Hand.
    pub hand: Hand,
    /// Member to be cut.
    pub side: Side,
    /// Class of the member to be cut.
    pub class: Class,
    /// Whether the callout named the hand.
    pub hand_given: bool,
    /// Whether the callout named the class.
    pub class_given: bool,
    /// Whether the callout named the starts.
    pub starts_given: bool,
    /// Clearance between the members at crest and root, on diameter, mm, where the user gives one.
    pub clearance_mm: Option<f64>,
    /// Whether a 60° screw's root must be rounded.
    pub rounded_root: bool,
    /// The user's own form, of a special thread.
    pub special: Option<SpecialForm>,
}

impl ThreadSpec {
    /// Why the form of a special does not close, if it does not: the flats given or that follow leave no
    /// flank, or cross.
    #[must_use]
    pub fn does_not_close(&self, voice: Voice) -> Option<String> {
        let form = self.special?;
        let (d, p) = (real(&self.major), real(&self.pitch));
        let tan = self.half_angle_deg().to_radians().tan();
        let minor = form.minor_mm?;
        let depth = (d - minor) / 2.0;
        // What is left of the pitch at crest and root together when both flanks run the whole depth.
        let left = p - 2.0 * depth * tan;
        let crest = form.crest_flat_mm.unwrap_or(0.0);
        (left < crest - 1e-9 && tan > 0.0).then(|| {
            say!(
                voice,
                "special-too-deep",
                angle = crate::quantity::degrees_text(form.included_angle_deg),
                deep = voice.length(depth),
                most = voice.length((p - crest) / (2.0 * tan)),
                crest = if crest > 0.0 { "yes" } else { "no" }
            )
        })
    }

    /// Exact lead, mm.
    #[must_use]
    pub fn lead(&self) -> Ratio {
        self.pitch * Ratio::from_integer(i128::from(self.starts))
    }

    /// Whether its sizes are printed in inches; pipe threads count by the inch and print in mm.
    #[must_use]
    pub const fn is_inch(&self) -> bool {
        self.tpi.is_some() && !matches!(self.system, System::PipeG)
    }

    /// Nominal diameter and pitch in inches.
    #[must_use]
    pub fn inches(&self) -> (f64, f64) {
        (real(&self.major) / MM_PER_INCH, real(&self.pitch) / MM_PER_INCH)
    }

    /// The pitch as it is said: `2.5 mm`, `9 TPI`.
    #[must_use]
    pub fn pitch_text(&self) -> String {
        pitch_text(&self.pitch, self.tpi.as_ref())
    }

    /// The whole callout: size, starts, class, hand.
    #[must_use]
    pub fn name(&self) -> String {
        let class = self.class.to_string();
        let dash = if class.is_empty() { "" } else { "-" };
        // A metric callout says its starts by the lead; the others in words.
        let starts = if self.starts > 1 && !self.size.contains('P') { format!(" {} start", self.starts) } else { String::new() };
        let left = if self.hand == Hand::Left { " LH" } else { "" };
        let size = if self.rounded_root { self.size.replacen(" UN", " UNR", 1) } else { self.size.clone() };
        format!("{size}{dash}{class}{starts}{left}")
    }
}
