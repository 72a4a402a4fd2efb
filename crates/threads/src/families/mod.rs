//! The families of thread, one implementation a file: basic sizes, limits, classes and what is said of them. A family is added by its
//! file, its name in [`System`] and its line in the list below, which the compiler asks for.

pub mod acme;
mod ba;
mod buttress;
pub(super) mod iso;
mod special;
pub mod square;
mod trapezoidal;
mod unified;
mod whitworth;

use super::class::Class;
use super::flanks::Flanks;
use super::spec::ThreadSpec;
use crate::quantity::SHOWN_MM;
use crate::system::{Side, System};
use crate::voice::Voice;
use crate::watch::Code;
use crate::working::{Num, Rule, Worksheet};
use std::collections::BTreeSet;
use yoke_ground::says::Sentence;
use yoke_ground::sentence;

/// Limits of one member on the sheet, mm: lower, upper.
#[derive(Debug, Clone, Copy)]
pub struct Limits {
    /// Major diameter.
    pub major: (Option<Num>, Option<Num>),
    /// Pitch diameter.
    pub pitch: (Num, Num),
    /// Minor diameter; of a screw, what must clear the mate.
    pub minor: (Option<Num>, Option<Num>),
}

impl Limits {
    /// Limits of the crest the blank is made to: major of a screw, minor of a nut.
    pub const fn crest(&self, side: Side) -> (Option<Num>, Option<Num>) {
        match side {
            Side::External => self.major,
            Side::Internal => self.minor,
        }
    }

    /// Limits of the root the tip leaves: minor of a screw, major of a nut.
    pub const fn root(&self, side: Side) -> (Option<Num>, Option<Num>) {
        self.crest(side.other())
    }
}

/// Basic sizes, mm: where thread and gap are equal, and the mate's crest.
#[derive(Debug, Clone, Copy)]
pub struct Basics {
    /// Pitch diameter.
    pub pitch: Num,
    /// Minor diameter.
    pub minor: Num,
}

/// One member as asked for.
#[derive(Debug, Clone, Copy)]
pub struct MemberQuery<'a> {
    /// The thread.
    pub spec: &'a ThreadSpec,
    /// Its class.
    pub class: Class,
    /// The member.
    pub side: Side,
    /// Length the mate engages, mm, when given.
    pub engagement_mm: Option<f64>,
    /// Length of the thread itself, mm: no mate engages more.
    pub length_mm: f64,
}

/// Depths given for a 60° screw, by the tip they are for.
const SIXTY_DEPTHS: &[(&str, f64)] = &[("0.6134 P", 0.6134), ("0.6495 P", 0.6495), ("0.7578 P, sharp", 0.7578)];

/// Something to be said of a thread: a watch code, and the words.
pub type Note = (Code, String);

/// Everything that is a family's own.
pub trait Family: Sync {
    /// The form in a word or two.
    fn word(&self) -> &'static str;

    /// The flank that carries the load and the other, degrees from square to the axis; a special's are its own.
    fn flanks_deg(&self) -> [f64; 2];

    /// Basic sizes of a thread.
    fn basics(&self, sheet: &mut Worksheet, spec: &ThreadSpec) -> Basics;

    /// Limits of one member, mm.
    fn limits(&self, sheet: &mut Worksheet, query: &MemberQuery) -> Limits;

    /// The class taken when none is given; a family may have none.
    fn usual_class(&self, _side: Side, _major_mm: f64) -> Class {
        Class::Nominal
    }

    /// The classes of one member as they are met, the closest first: for saying which of them a size past its own limits still fits.
    fn classes(&self, _side: Side) -> Vec<Class> {
        Vec::new()
    }

    /// Reads a class as it is written.
    ///
    /// # Errors
    /// Says which part is wrong and what would be right.
    fn read_class(&self, text: &str) -> Result<Class, Sentence> {
        if text.trim().is_empty() {
            return Ok(Class::Nominal);
        }
        Err(sentence!("class-none", text = &text, family = self.word()))
    }

    /// Every rule of its own.
    fn rules(&self) -> &'static [&'static Rule];

    /// Depths that handbooks give for the form, as they name them, in pitches.
    fn handbook_depths(&self, _pitch_mm: f64) -> &'static [(&'static str, f64)];

    /// Whether it is one of the standard 60° forms, which share their flats and rules of thumb.
    fn is_sixty(&self) -> bool {
        false
    }

    /// Basic depth of a form with crest and root rounded, in pitches; none of one with flats.
    fn rounded_depth(&self) -> Option<f64> {
        None
    }

    /// Whether crest and root stand clear of the mate by a clearance of the standard's.
    fn stands_clear(&self) -> bool {
        false
    }

    /// Whether the tip is ground to a width with a face of its own, rather than left by the flanks.
    fn end_face(&self) -> bool {
        self.stands_clear()
    }

    /// Whether handbooks give a width for its tip.
    fn handbook_tip(&self) -> bool {
        false
    }

    /// Least radius of a rounded root, where one is asked for, in pitches.
    fn least_root_radius(&self) -> f64 {
        0.125
    }

    /// How far the standard's own rounding may set its sizes apart, mm: less in the way than this is nothing in the way.
    fn rounding_mm(&self) -> f64 {
        SHOWN_MM
    }

    /// Radius of the root that the standard gives a form with flat crests, in pitches.
    fn root_radius(&self) -> Option<f64> {
        None
    }

    /// Whether clearance at crest and root is the user's to choose.
    fn takes_clearance(&self) -> bool {
        false
    }

    /// Where its tolerances are computed, nominal or the house's own.
    fn tolerance_note(&self, _spec: &ThreadSpec, _classes: [Class; 2], _voice: Voice) -> Option<Note> {
        None
    }

    /// Where the engagement, told or as long as the thread, asks for other tolerances than those of a normal length.
    fn engagement_note(&self, _sheet: &mut Worksheet, _spec: &ThreadSpec, _engaged_mm: f64, _pitch: Num) -> Option<Note> {
        None
    }
}

/// Declares the families: the one list of them, each name with its implementation.
macro_rules! families {
    ($($system:ident => $family:expr,)*) => {
        impl System {
            /// Every one.
            pub const ALL: &[Self] = &[$(Self::$system),*];

            /// The family of that name.
            #[must_use]
            pub fn family(self) -> &'static dyn Family {
                match self {
                    $(Self::$system => &$family,)*
                }
            }
        }
    };
}

families! {
    IsoMetric => iso::IsoMetric,
    Unified => unified::Unified,
    Acme => acme::Acme { stub: false },
    StubAcme => acme::Acme { stub: true },
    Trapezoidal => trapezoidal::Trapezoidal,
    Whitworth => whitworth::Whitworth,
    PipeG => whitworth::PipeG,
    Ba => ba::BritishAssociation,
    Square => square::Square,
    Buttress => buttress::BUTTRESS,
    MetricButtress => buttress::METRIC,
    Special => special::Special,
}

impl ThreadSpec {
    /// The flank that carries the load and the other, in the order of a tool that meets the load first, whichever it will be.
    #[must_use]
    pub fn flanks(&self) -> Flanks {
        let [leading, trailing] = self.special.map_or_else(|| self.system.family().flanks_deg(), |s| [s.included_angle_deg / 2.0; 2]);
        Flanks { leading, trailing }
    }

    /// Half the included angle, degrees; of unequal flanks, that of the even groove that widens as fast.
    #[must_use]
    pub fn half_angle_deg(&self) -> f64 {
        self.flanks().half_deg()
    }
}

/// Every rule of every family, once: families in one file share theirs.
pub(super) fn rules() -> Vec<&'static Rule> {
    let mut seen = BTreeSet::new();
    System::ALL.iter().flat_map(|system| system.family().rules()).copied().filter(|rule| seen.insert(rule.id)).collect()
}
