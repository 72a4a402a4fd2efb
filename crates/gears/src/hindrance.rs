//! What keeps a train from hanging: found for thousands of orders, said of the few that are shown.

use crate::drive::Place;
use crate::voice::Voice;
use yoke_ground::say;

/// What a gear must not touch.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Beside {
    /// Another gear, by its teeth.
    Gear(u16),
    /// The spindle stud.
    SpindleStud,
    /// The leadscrew.
    Leadscrew,
    /// The next stud of the arm.
    NextStud,
}

impl Beside {
    /// The shaft of that place in the chain.
    #[must_use]
    pub const fn shaft(index: usize, count: usize) -> Self {
        if index == 0 {
            Self::SpindleStud
        } else if index + 1 == count {
            Self::Leadscrew
        } else {
            Self::NextStud
        }
    }

    /// As it is said.
    #[must_use]
    pub fn said(self, voice: Voice) -> String {
        match self {
            Self::Gear(teeth) => say!(voice, "hang-the-gear", teeth = teeth),
            Self::SpindleStud => say!(voice, "hang-the-spindle-stud"),
            Self::Leadscrew => say!(voice, "hang-the-leadscrew"),
            Self::NextStud => say!(voice, "hang-the-next-stud"),
        }
    }
}

/// Room between a gear and something it must not touch.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Clearance {
    /// The gear, by its teeth.
    pub of: u16,
    /// What it must not touch.
    pub to: Beside,
    /// How much, mm.
    pub mm: f64,
}

/// Why a chain cannot be placed on its arm; lengths mm.
#[derive(Debug, Clone, Copy, PartialEq)]
pub enum Unplaced {
    /// It falls short of bridging the shafts so far apart.
    Short(f64, f64),
    /// The gears are too unequal for shafts so far apart.
    Unequal(f64),
    /// A stud would stand so far from the leadscrew, inside the slot's beginning.
    InsideSlot(f64, f64),
    /// Or past its end.
    PastSlot(f64, f64),
    /// The two of a simple train foul each other.
    FoulEachOther(u16, u16, f64),
    /// They mesh on shafts so much further apart, or nearer.
    TwoMesh(f64),
}

/// What keeps a train from hanging; lengths mm.
#[derive(Debug, Clone, PartialEq)]
pub enum Hindrance {
    /// Drivers and driven gears are not as many.
    Unpaired,
    /// No gear is left for an idler.
    NoIdlerLeft,
    /// Gears that must mesh are of different modules.
    OtherModule,
    /// A gear does not go on its shaft.
    GoesNotOn(u16, Place),
    /// Gears joined as one piece stand apart.
    Parted,
    /// A gear fouls something, or clears it by too little: by so much, where so much is wanted.
    Fouls(Clearance, f64),
    /// It cannot be placed, with these idlers.
    Unplaced(Vec<u16>, Unplaced),
    /// By the bench rule, two pairs leave no room for the shafts.
    NoRoom([u16; 4]),
    /// It was tried on the arm, and did not mesh.
    SeenNot,
    /// Its arm takes idlers only.
    IdlerArm,
    /// More loose gears are to be keyed together than there are bushes.
    NoBush(u8),
}

impl Unplaced {
    fn said(self, voice: Voice) -> String {
        let about = |mm: f64| voice.about(mm);
        match self {
            Self::Short(by, apart) => say!(voice, "hang-short", by = about(by), apart = about(apart)),
            Self::Unequal(apart) => say!(voice, "hang-unequal", apart = about(apart)),
            Self::InsideSlot(at, slot) => say!(voice, "hang-inside-slot", at = about(at), slot = about(slot)),
            Self::PastSlot(at, slot) => say!(voice, "hang-past-slot", at = about(at), slot = about(slot)),
            Self::FoulEachOther(one, other, by) => say!(voice, "hang-foul-each-other", one = one, other = other, by = about(by)),
            Self::TwoMesh(off) => say!(voice, "hang-two-mesh", by = about(off.abs()), way = if off > 0.0 { "further" } else { "less" }),
        }
    }
}

impl Hindrance {
    /// In words, as the middle of a sentence.
    #[must_use]
    pub fn said(&self, voice: Voice) -> String {
        match *self {
            Self::Unpaired => say!(voice, "hang-as-many"),
            Self::NoIdlerLeft => say!(voice, "hang-no-idler-left"),
            Self::OtherModule => say!(voice, "hang-other-module"),
            Self::GoesNotOn(teeth, place) => say!(voice, "hang-goes-not-on", teeth = teeth, place = place.word()),
            Self::Parted => say!(voice, "hang-joined-together"),
            Self::Fouls(Clearance { of, to, mm }, wanted) => {
                let (of, to, by) = (Beside::Gear(of).said(voice), to.said(voice), voice.about(mm.abs()));
                if mm < 0.0 {
                    say!(voice, "hang-fouls", of = of, to = to, by = by)
                } else {
                    say!(voice, "hang-clears-only", of = of, to = to, by = by, wanted = voice.about(wanted))
                }
            }
            Self::Unplaced(ref idlers, why) => match idlers.as_slice() {
                [] => why.said(voice),
                [one] => say!(voice, "hang-with-idler", idler = *one, why = why.said(voice)),
                [one, other, ..] => say!(voice, "hang-with-idlers", one = *one, other = *other, why = why.said(voice)),
            },
            Self::SeenNot => say!(voice, "hang-seen-not"),
            Self::IdlerArm => say!(voice, "hang-idler-arm"),
            Self::NoBush(bushes) => say!(voice, "hang-no-bush", n = u16::from(bushes)),
            Self::NoRoom([a, b, c, d]) => say!(voice, "hang-no-room", a = a, b = b, c = c, d = d),
        }
    }
}
