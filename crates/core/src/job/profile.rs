//! A lathe as its owner tells it, field by field; what is left out has a default.

use crate::direction::Hand;
use crate::job::written::{GearList, PlateRequest};
use crate::job::{GearboxPosition, Place};
use crate::quantity::{Exact, LengthUnit};
use serde::{Deserialize, Deserializer, Serialize};
use std::collections::BTreeMap;

/// One number, or several.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[serde(untagged, expecting = "a whole number or a list of them is wanted")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum OneOrMany {
    /// One.
    One(i64),
    /// Several.
    Many(Vec<i64>),
}

/// Spindle speeds: a list of steps, or a stepless range.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[serde(untagged, expecting = "a list of speeds, or {\"from\": slowest, \"to\": fastest}, is wanted")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Speeds {
    /// The steps of the gearbox or belts.
    Steps(Vec<f64>),
    /// Any speed between.
    Between {
        /// Slowest.
        from: f64,
        /// Fastest.
        to: f64,
    },
}

impl Speeds {
    /// The slowest there is.
    #[must_use]
    pub fn slowest(&self) -> f64 {
        match self {
            Self::Steps(list) => list.iter().copied().fold(f64::INFINITY, f64::min),
            Self::Between { from, .. } => *from,
        }
    }

    /// The fastest there is.
    #[must_use]
    pub fn fastest(&self) -> f64 {
        match self {
            Self::Steps(list) => list.iter().copied().fold(0.0, f64::max),
            Self::Between { to, .. } => *to,
        }
    }

    /// The highest speed at or under `limit`, or the slowest there is.
    #[must_use]
    pub fn under(&self, limit: f64) -> f64 {
        match self {
            Self::Steps(list) => list.iter().copied().rfind(|s| *s <= limit).or_else(|| list.first().copied()).unwrap_or(limit),
            Self::Between { from, to } => limit.clamp(*from, *to).floor().max(*from),
        }
    }
}

/// The fields of a profile its owner said there is none of: `null` in JSON, where what is not told is left out.
#[derive(Debug, Clone, Default, PartialEq, Eq)]
pub struct Without(Vec<&'static str>);

impl Without {
    /// Whether there is none of it.
    #[must_use]
    pub fn has(&self, field: &str) -> bool {
        self.0.contains(&field)
    }

    /// The fields there are none of.
    pub fn fields(&self) -> impl Iterator<Item = &'static str> + '_ {
        self.0.iter().copied()
    }
}

/// Reads a field that stands there: `null` is none of it.
fn told<'de, D: Deserializer<'de>, T: Deserialize<'de>>(from: D) -> Result<Option<Option<T>>, D::Error> {
    Option::deserialize(from).map(Some)
}

macro_rules! profile {
    ($(#[$doc:meta])* $name:ident as $told:ident, $as:literal { $($(#[$field_doc:meta])* $field:ident: $type:ty,)* }) => {
        $(#[$doc])*
        #[derive(Debug, Clone, Default, PartialEq, Serialize, Deserialize)]
        #[serde(default, deny_unknown_fields, from = $as, into = $as)]
        #[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
        pub struct $name {
            $($(#[$field_doc])* #[serde(skip_serializing_if = "Option::is_none")] pub $field: Option<$type>,)*
            /// What there is none of.
            #[serde(skip)]
            pub none: Without,
        }

        /// As it is written: what is left out told apart from what there is none of.
        #[derive(Default, Serialize, Deserialize)]
        #[serde(default, deny_unknown_fields, expecting = "its fields by their names are wanted")]
        struct $told {
            $(#[serde(deserialize_with = "told", skip_serializing_if = "Option::is_none")] $field: Option<Option<$type>>,)*
        }

        impl From<$told> for $name {
            fn from(told: $told) -> Self {
                let none = [$((stringify!($field), matches!(told.$field, Some(None)))),*];
                Self {
                    $($field: told.$field.flatten(),)*
                    none: Without(none.into_iter().filter(|(_, none)| *none).map(|(field, _)| field).collect()),
                }
            }
        }

        impl From<$name> for $told {
            fn from(profile: $name) -> Self {
                let none = profile.none;
                Self { $($field: profile.$field.map(Some).or_else(|| none.has(stringify!($field)).then_some(None)),)* }
            }
        }
    };
}

profile!(
    /// A lathe as its owner describes it. Everything has a default.
    LatheProfile as LatheTold, "LatheTold" {
        /// Stable name of a stored lathe.
        id: String,
        /// What it is called.
        name: String,
        /// The leadscrew.
        leadscrew: LeadscrewProfile,
        /// Gears owned, all of one pitch: tooth counts, repeats included; a text such as `20-65/5, 2x40` is read as a
        /// range and a pair. `fixed` where they cannot be changed and the levers alone choose the pitch.
        gears: GearList,
        /// Gears of that list joined as one piece.
        joined: Vec<Vec<i64>>,
        /// Gears of that list that go on some shafts only.
        bound: Vec<BoundGears>,
        /// Gears owned, by module or diametral pitch.
        gear_groups: Vec<GearGroup>,
        /// Lever positions of the gearbox, by their ratios.
        gearbox: Vec<GearboxPosition>,
        /// The gearbox as its plate has it, in place of `gearbox`.
        plate: PlateRequest,
        /// Turns of the leadscrew side per turn of the spindle that nothing changes.
        fixed_ratio: Exact,
        /// The train on it now.
        mounted: MountedProfile,
        /// Compound studs the arm takes.
        max_compounds: i64,
        /// Tumbler positions.
        tumbler: Vec<Tumbler>,
        /// The change-gear arm.
        arm: ArmProfile,
        /// Other arms owned: one for idlers, one of one's own make.
        more_arms: Vec<ArmProfile>,
        /// Bushes that key two loose gears together; left out, as many as are wanted.
        bushes: i64,
        /// Trains that were tried on the arm nobody measured.
        seen: Vec<SeenProfile>,
        /// What a gear to make must be, beside its teeth and its module.
        gear_blank: GearBlankProfile,
        /// The threading dial.
        dial: DialProfile,
        /// The cross-slide.
        cross_slide: SlideProfile,
        /// The compound.
        compound: SlideProfile,
        /// Spindle speeds, revolutions per minute.
        speeds_rpm: Speeds,
        /// The spindle.
        spindle: SpindleProfile,
        /// Front or rear tool post.
        post: Post,
        /// What stops the carriage along the bed.
        carriage_stop: CarriageStop,
        /// A digital readout.
        readout: ReadoutProfile,
        /// What turns the spindle.
        drive: Power,
        /// Whether the carriage is taken by a half-nut, which can be opened; without one the screw is always engaged.
        half_nut: bool,
        /// What the screw drives along the thread: the carriage, or the top slide of a small lathe, which then carries no depth.
        thread_axis: ThreadAxis,
        /// Where figures came from that were not simply told, by their field: `fixed_ratio`, `dial.teeth`.
        sources: BTreeMap<String, Source>,
    }
);
impl LatheProfile {
    /// Whether its gears cannot be changed, as it was told: said to be fixed, or that there are none to change.
    #[must_use]
    pub fn has_fixed_gears(&self) -> bool {
        let none = ["gears", "gear_groups"].iter().any(|field| self.none.has(field)) && self.gears.is_none() && self.gear_groups.is_none();
        none || self.gears.as_ref().is_some_and(GearList::is_fixed)
    }
}
profile!(
    /// A digital readout: which slides it reads, and how.
    ReadoutProfile as ReadoutTold, "ReadoutTold" {
        /// The unit it shows; left out, the cross-slide's.
        unit: LengthUnit,
        /// Its last place, mm.
        resolution_mm: f64,
        /// Whether it reads the cross-slide as radius or diameter; left out, it does not read it.
        cross_slide: Reads,
        /// Whether it reads the compound.
        compound: bool,
        /// Whether it reads the carriage along the bed.
        carriage: bool,
    }
);
profile!(
    /// The leadscrew: give `tpi` or `pitch_mm`.
    LeadscrewProfile as LeadscrewTold, "LeadscrewTold" {
        /// Threads per inch.
        tpi: Exact,
        /// Pitch in mm.
        pitch_mm: Exact,
        /// Its hand.
        hand: Hand,
        /// Its diameter.
        diameter_mm: f64,
    }
);
profile!(
    /// Gears of one module (or DP) and pressure angle, which mesh with each other.
    GearGroup as GroupTold, "GroupTold" {
        /// Module.
        module_mm: f64,
        /// Diametral pitch.
        dp: f64,
        /// Pressure angle.
        pressure_angle_deg: f64,
        /// Teeth, repeats and ranges included.
        gears: GearList,
        /// Gears of the list joined as one piece, two by two.
        joined: Vec<Vec<i64>>,
        /// Gears of the list that go on some shafts only.
        bound: Vec<BoundGears>,
    }
);

/// Gears that go on some shafts only, by bore, key or hub.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct BoundGears {
    /// Their teeth; every gear of the group with as many.
    pub teeth: Vec<i64>,
    /// Where they go.
    pub on: Vec<Place>,
}
profile!(
    /// A train by its teeth.
    MountedProfile as MountedTold, "MountedTold" {
        /// Drivers, spindle end first.
        drivers: Vec<i64>,
        /// Driven gears, spindle end first.
        driven: Vec<i64>,
    }
);
profile!(
    /// The change-gear arm, which swings about the leadscrew.
    ArmProfile as ArmTold, "ArmTold" {
        /// Distance from the spindle stud to the leadscrew.
        stud_to_leadscrew_mm: f64,
        /// Nearest and farthest a stud can stand from the leadscrew.
        slot_reach_mm: Vec<f64>,
        /// Radius of the largest shaft, boss or nut a gear must clear.
        shaft_radius_mm: f64,
        /// Studs the arm holds.
        studs: i64,
        /// What it is called, where there are several.
        name: String,
        /// Whether its studs take one gear each: an idler arm.
        idlers_only: bool,
    }
);
profile!(
    /// A train that was tried on an arm nobody measured.
    SeenProfile as SeenTold, "SeenTold" {
        /// Drivers, spindle end first.
        drivers: Vec<i64>,
        /// Driven gears, spindle end first.
        driven: Vec<i64>,
        /// Whether it hung and meshed.
        hangs: bool,
    }
);
profile!(
    /// What the gears owned are like beside their teeth: for a gear to make.
    GearBlankProfile as GearBlankTold, "GearBlankTold" {
        /// Pressure angle, degrees.
        pressure_angle_deg: f64,
        /// Bore.
        bore_mm: f64,
        /// Width of the key.
        key_mm: f64,
        /// Width of the face.
        face_mm: f64,
        /// Whole depth, as the cutter is marked.
        depth_mm: f64,
    }
);
profile!(
    /// The threading dial.
    DialProfile as DialTold, "DialTold" {
        /// Teeth of the dial gear, or of each owned.
        teeth: OneOrMany,
        /// Marks on its face.
        marks: i64,
    }
);
profile!(
    /// A slide and its dial.
    SlideProfile as SlideTold, "SlideTold" {
        /// Unit of the dial.
        unit: LengthUnit,
        /// One division, in that unit.
        graduation: f64,
        /// One turn, in that unit.
        per_turn: f64,
        /// Whether the figures are radius or diameter.
        reads: Reads,
        /// Travel it has.
        travel_mm: f64,
        /// How far it swings either way.
        swing_deg: Vec<f64>,
        /// Where its angle scale has its zero.
        scale_zero: ScaleZero,
    }
);
profile!(
    /// The spindle.
    SpindleProfile as SpindleTold, "SpindleTold" {
        /// How the chuck is held: `screwed`, `cam_lock`, `bolted`, or `drawbar` for a collet.
        chuck: Chuck,
        /// Whether it reverses.
        reverses: bool,
        /// Whether it has a clutch.
        clutch: bool,
        /// Whether it has a brake.
        brake: bool,
        /// Turns it coasts when stopped, as measured.
        coast_turns: f64,
        /// The speed they were measured at, rpm.
        coast_at_rpm: f64,
        /// Power of the motor, W, as its plate says.
        motor_w: f64,
    }
);

/// Where a figure came from; a plate is always read off the lathe.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Source {
    /// Measured by the minute's trial.
    Trial,
}

/// What a slide's dial figures mean.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Reads {
    /// Travel of the slide.
    Radius,
    /// Twice the travel.
    Diameter,
}

/// A place of the tumbler.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Tumbler {
    /// As its plate has it for a right-hand thread.
    Right,
    /// And for a left-hand one.
    Left,
    /// Out of mesh.
    Neutral,
}

/// Where the tool post stands.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Post {
    /// On the operator's side.
    Front,
    /// Beyond the work.
    Rear,
}

/// Where the compound's angle scale has its zero.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum ScaleZero {
    /// With the compound along the cross-slide.
    CrossSlide,
    /// With the compound along the bed.
    Bed,
}

/// What stops the carriage along the bed.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum CarriageStop {
    /// Nothing.
    #[default]
    None,
    /// A block clamped to the bed: the half-nut does not yield to it.
    Fixed,
    /// One that throws the half-nut or the feed out.
    Trips,
}

/// How the chuck is held on its spindle.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Chuck {
    /// Screwed on: it can unscrew in reverse.
    Screwed,
    /// Held by cams.
    CamLock,
    /// Bolted on.
    Bolted,
    /// A collet drawn in by a bar through the spindle.
    Drawbar,
}

/// What turns the spindle.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Power {
    /// A motor.
    #[default]
    Motor,
    /// A belt from a shaft overhead, crossed to reverse.
    Belt,
    /// The foot.
    Treadle,
    /// A crank or handwheel, and nothing else.
    Hand,
}

/// What the screw drives along the thread.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum ThreadAxis {
    /// The carriage, by its half-nut.
    #[default]
    Carriage,
    /// The top slide, by its own screw.
    TopSlide,
}
