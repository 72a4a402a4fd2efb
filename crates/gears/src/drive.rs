//! What turns the leadscrew: the gears owned and the shafts they go on, the arm, the levers, the screw itself and its dial.

use crate::direction::Hand;
use crate::quantity::{Exact, Ratio};
use serde::{Deserialize, Serialize};

/// A shaft a gear is hung on.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Place {
    /// The spindle stud, first driver of the train.
    Spindle,
    /// A stud of the arm.
    Stud,
    /// The leadscrew.
    Leadscrew,
}

impl Place {
    /// Its name, as sentences tell them apart.
    #[must_use]
    pub const fn word(self) -> &'static str {
        match self {
            Self::Spindle => "spindle",
            Self::Stud => "stud",
            Self::Leadscrew => "leadscrew",
        }
    }

    /// Its bit among the shafts a gear goes on.
    #[must_use]
    pub const fn bit(self) -> u8 {
        1 << self as u8
    }
}

/// A gear owned: its teeth and the group it meshes in.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Hash)]
pub struct Gear {
    /// Teeth.
    pub teeth: u16,
    /// Index of its group.
    pub group: u8,
    /// The piece it is joined into with another; 0 for a loose gear.
    pub piece: u8,
    /// The shafts it goes on, a bit each.
    pub places: u8,
}

impl Gear {
    /// Bits of a gear that goes anywhere.
    pub const ANYWHERE: u8 = Place::Spindle.bit() | Place::Stud.bit() | Place::Leadscrew.bit();

    /// A gear by itself that goes on any shaft.
    #[must_use]
    pub const fn loose(teeth: u16, group: u8) -> Self {
        Self { teeth, group, piece: 0, places: Self::ANYWHERE }
    }

    /// Whether its bore, key or hub lets it go there.
    #[must_use]
    pub const fn goes_on(&self, place: Place) -> bool {
        self.places & place.bit() != 0
    }
}

/// A gearbox lever position.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct GearboxPosition {
    /// As the plate names it.
    pub name: String,
    /// Turns out per turn in.
    pub ratio: Exact,
}

/// A train by its teeth, checked.
#[derive(Debug, Clone, Default, PartialEq, Eq)]
pub struct Mounted {
    /// Drivers, spindle end first.
    pub drivers: Vec<u16>,
    /// Driven gears, spindle end first.
    pub driven: Vec<u16>,
}

/// The change-gear arm, checked.
#[derive(Debug, Clone, PartialEq)]
pub struct Arm {
    /// Spindle stud to leadscrew, mm.
    pub centres_mm: f64,
    /// Nearest and farthest a stud can stand from the leadscrew, mm.
    pub reach_mm: [f64; 2],
    /// What a gear must clear round each shaft, mm.
    pub shaft_radius_mm: f64,
    /// Studs it holds.
    pub studs: u8,
    /// Whether its studs take one gear each, so that only simple trains hang on it.
    pub idlers_only: bool,
    /// What it is called, where there are several.
    pub name: Option<String>,
}

/// A train that was tried on an arm nobody measured, by its teeth in order.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Tried {
    /// Drivers, spindle end first.
    pub drivers: Vec<u16>,
    /// Driven gears, spindle end first.
    pub driven: Vec<u16>,
    /// Whether it hung and meshed.
    pub hangs: bool,
}

/// The threading dial, checked.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Dial {
    /// Teeth of each dial gear owned.
    pub teeth: Vec<u16>,
    /// Marks on its face, if counted.
    pub marks: Option<u16>,
}

/// What turns the leadscrew of a lathe, checked.
#[derive(Debug, Clone, PartialEq)]
pub struct Drive {
    /// Exact leadscrew pitch, mm.
    pub leadscrew: Ratio,
    /// Its hand.
    pub leadscrew_hand: Hand,
    /// Module of each gear group, mm.
    pub modules: Vec<f64>,
    /// Gears owned.
    pub gears: Vec<Gear>,
    /// Whether they cannot be changed: a train is then a place of the levers, and no gear.
    pub gears_fixed: bool,
    /// Gearbox positions; at least one.
    pub gearbox: Vec<GearboxPosition>,
    /// Fixed ratio.
    pub fixed: Ratio,
    /// The train on it now.
    pub mounted: Mounted,
    /// Compound studs its trains may have: 0 for simple trains only, 2 for six gears.
    pub max_compounds: u8,
    /// Whether a tumbler can turn the leadscrew either way; `None` when nothing is known of it.
    pub tumbler: Option<[bool; 2]>,
    /// The arm, if its geometry is known.
    pub arm: Option<Arm>,
    /// Other arms owned: one for idlers, one of one's own make.
    pub more_arms: Vec<Arm>,
    /// Trains that were tried, while no arm is measured.
    pub tried: Vec<Tried>,
    /// Bushes that key two loose gears together; as many as are wanted where nobody told.
    pub bushes: Option<u8>,
    /// The dial, if there is one.
    pub dial: Option<Dial>,
}

impl Drive {
    /// A screw of this pitch, mm, right-hand, with loose gears of one module on a bench arm nobody measured, and no more.
    #[must_use]
    pub fn of(leadscrew: Ratio, module: f64, teeth: &[u16]) -> Self {
        Self {
            leadscrew,
            leadscrew_hand: Hand::Right,
            modules: vec![module],
            gears: teeth.iter().map(|t| Gear::loose(*t, 0)).collect(),
            gears_fixed: false,
            gearbox: vec![GearboxPosition { name: "direct".into(), ratio: Exact(Ratio::from_integer(1)) }],
            fixed: Ratio::from_integer(1),
            mounted: Mounted::default(),
            max_compounds: 1,
            tumbler: None,
            arm: None,
            more_arms: Vec::new(),
            tried: Vec::new(),
            bushes: None,
            dial: None,
        }
    }

    /// What was seen of gears in this order, if they were tried; a measured arm speaks for itself.
    #[must_use]
    pub fn seen(&self, drivers: &[Gear], driven: &[Gear]) -> Option<bool> {
        if self.arm.is_some() {
            return None;
        }
        let same = |gears: &[Gear], teeth: &[u16]| gears.len() == teeth.len() && gears.iter().zip(teeth).all(|(g, t)| g.teeth == *t);
        self.tried.iter().rfind(|t| same(drivers, &t.drivers) && same(driven, &t.driven)).map(|t| t.hangs)
    }
}
