//! The lathe as the core uses it, once what its owner told is checked.

use super::defaults::{COAST_AT_RPM, COAST_TURNS, CRANKED_RPM, LEADSCREW_TPI, READOUT_MM, SHAFT_RADIUS_MM, STUDS};
use super::drawer;
use super::lathe_fact::LatheFact;
use super::profile::{
    ArmProfile, CarriageStop, Chuck, DialProfile, GearBlankProfile, GearGroup, LatheProfile, LeadscrewProfile, OneOrMany, Post, Power, ReadoutProfile, Reads,
    ScaleZero, SeenProfile, SlideProfile, Speeds, SpindleProfile, ThreadAxis, Tumbler,
};
use super::written::PlateRequest;
use crate::direction::Hand;
use crate::faults::Checker;
use crate::job::{Arm, Dial, Drive, Gear, Mounted};
use crate::quantity::{Exact, LengthUnit, MM_PER_INCH, Ratio, pitch_of_tpi, real, short_text};
use crate::sentence;
use crate::voice::{LatheKind, ScrewGrip};
use num_traits::Zero;
use yoke_gears::GearboxPosition;
use yoke_gears::Tried;

/// A slide and its dial, checked.
#[derive(Debug, Clone, PartialEq)]
pub struct Slide {
    /// Unit of the dial.
    pub unit: LengthUnit,
    /// One division, mm of dial reading.
    pub graduation_mm: f64,
    /// Divisions in a turn.
    pub divisions: f64,
    /// What the figures mean.
    pub reads: Reads,
    /// Travel it has, mm.
    pub travel_mm: Option<f64>,
    /// How far it swings either way.
    pub swing_deg: [f64; 2],
    /// Whether its angle scale is zero along the bed.
    pub scale_from_bed: bool,
}

/// A lathe, checked.
#[derive(Debug, Clone, PartialEq)]
pub struct Lathe {
    /// What it is called.
    pub name: String,
    /// What turns its leadscrew.
    pub drive: Drive,
    /// How the leadscrew is spoken of: `4 TPI`, `6 mm`.
    pub leadscrew_text: String,
    /// The cross-slide.
    pub cross_slide: Slide,
    /// The compound.
    pub compound: Slide,
    /// Speeds.
    pub speeds: Speeds,
    /// How the chuck is held.
    pub chuck: Chuck,
    /// Whether the spindle reverses.
    pub reverses: bool,
    /// Whether a clutch or brake stops it at once.
    pub quick_stop: bool,
    /// Turns it coasts, and from which speed, rpm: they grow as its square.
    pub coast: [f64; 2],
    /// Whether the tool post stands at the rear.
    pub rear_post: bool,
    /// What stops the carriage along the bed.
    pub carriage_stop: CarriageStop,
    /// The digital readout, if there is one.
    pub readout: Option<Readout>,
    /// Diameter of the leadscrew, mm, when told: how big a lathe it is.
    pub screw_mm: Option<f64>,
    /// What turns the spindle.
    pub power: Power,
    /// How the screw takes hold of what it drives.
    pub grip: ScrewGrip,
    /// Power of its motor, W, when told.
    pub motor_w: Option<f64>,
    /// Whether nothing hangs on it, and that was told.
    pub nothing_on: bool,
    /// What a gear to make must be, beside its teeth and its module.
    pub gear_blank: GearBlank,
    /// Pressure angle of each gear group, degrees, where it was told.
    pub pressure_angles: Vec<Option<f64>>,
    /// Whether there is a compound that depth or a side-step can be set on.
    pub compound_feeds: bool,
    /// What was not told of it, and stands as assumed.
    pub untold: Vec<LatheFact>,
}

impl Lathe {
    /// Whether the spindle is turned by hand and nothing else.
    #[must_use]
    pub fn cranked(&self) -> bool {
        self.power == Power::Hand
    }

    /// What its sentences hang on.
    #[must_use]
    pub fn kind(&self) -> LatheKind {
        LatheKind { screw: self.grip, cranked: self.cranked(), gears_fixed: self.gears_fixed }
    }

    /// Whether this was not told of it.
    #[must_use]
    pub fn lacks(&self, fact: LatheFact) -> bool {
        self.untold.contains(&fact)
    }

    /// Whether there is a half-nut to open.
    #[must_use]
    pub fn half_nut(&self) -> bool {
        self.grip == ScrewGrip::HalfNut
    }
}

/// What is asked of the drive alone is asked of the lathe.
impl std::ops::Deref for Lathe {
    type Target = Drive;

    fn deref(&self) -> &Drive {
        &self.drive
    }
}

/// A digital readout, checked.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Readout {
    /// The unit it shows: as told, else the cross-slide's.
    pub unit: LengthUnit,
    /// Its last place, mm.
    pub resolution_mm: f64,
    /// How it reads the cross-slide, if it does.
    pub cross_slide: Option<Reads>,
    /// Whether it reads the compound.
    pub compound: bool,
}

/// The lathe taken when none is told, the same for everybody and nobody's.
///
/// Kept as a profile beside the code; a test reads it through, so it is never empty.
#[must_use]
pub fn assumed_lathe() -> LatheProfile {
    serde_json::from_str(include_str!("../../data/assumed_lathe.json")).unwrap_or_default()
}

impl LatheProfile {
    /// The lathe as it was told, noting every faulty field under `at`; faults aside, what is returned is usable. What was not told is not
    /// named here.
    pub(super) fn as_told(&self, at: &str, c: &mut Checker) -> Lathe {
        self.check_none(at, c);
        let screw = self.leadscrew.clone().unwrap_or_default();
        let metric_screw = screw.pitch_mm.is_some();
        let (leadscrew, leadscrew_text) = leadscrew(&screw, at, c);
        let gears_fixed = self.gears_fixed(at, c);
        let (modules, gears) = if gears_fixed { (Vec::new(), Vec::new()) } else { self.check_gears(at, c) };
        let fixed = self.fixed_ratio.map_or_else(|| Ratio::new(1, 1), |r| c.ratio(&r, &format!("{at}/fixed_ratio")));
        let gearbox = self.check_gearbox(&(fixed * leadscrew), gears_fixed, at, c);
        let cross_slide = self.cross_slide.clone().unwrap_or_default().check(metric_screw, &format!("{at}/cross_slide"), c);
        let readout = self.readout.as_ref().map(|told| told.check(cross_slide.unit, &format!("{at}/readout"), c));
        let on = self.mounted.as_ref();
        let mounted = train(on.and_then(|m| m.drivers.as_ref()), on.and_then(|m| m.driven.as_ref()), &format!("{at}/mounted"), c);
        let spindle = self.spindle.clone().unwrap_or_default();
        let max_compounds = self.max_compounds.unwrap_or(if self.none.has("max_compounds") || self.none.has("arm") { 0 } else { 1 });
        c.within(max_compounds as f64, 0.0, 2.0, &format!("{at}/max_compounds"), "compound studs");
        let grip = self.check_grip(at, c);
        let power = self.power();
        let speeds = self.check_speeds(at, c);
        // Turned by hand it stops where the hand does.
        let coast = if power == Power::Hand { [0.0, COAST_AT_RPM] } else { coast(&spindle, &speeds, &format!("{at}/spindle"), c) };
        Lathe {
            name: self.name.clone().or_else(|| self.id.clone()).unwrap_or_else(|| "your lathe".into()),
            drive: Drive {
                leadscrew,
                leadscrew_hand: screw.hand.unwrap_or(Hand::Right),
                modules,
                gears,
                gears_fixed,
                gearbox,
                fixed,
                mounted,
                max_compounds: u8::try_from(max_compounds.clamp(0, 2)).unwrap_or(1),
                tumbler: self.tumbler_places(),
                arm: self.arm.as_ref().and_then(|a| a.check(&format!("{at}/arm"), c)),
                more_arms: self.check_more_arms(at, c),
                tried: self.check_seen(at, c),
                bushes: self.bushes.map(|_| u8::try_from(c.count(self.bushes, (0, 20), 0, &format!("{at}/bushes"), "bushes")).unwrap_or(0)),
                // What counts leadscrew pitches serves nothing where no nut opens.
                dial: self.dial.as_ref().and_then(|d| d.check(&format!("{at}/dial"), c)).filter(|_| grip == ScrewGrip::HalfNut),
            },
            leadscrew_text,
            cross_slide,
            compound: self.compound.clone().unwrap_or_default().check(metric_screw, &format!("{at}/compound"), c),
            speeds,
            chuck: spindle.chuck.unwrap_or(Chuck::CamLock),
            // A treadle keeps one way, a crank goes either.
            reverses: spindle.reverses.unwrap_or(power != Power::Treadle && !spindle.none.has("reverses")),
            quick_stop: spindle.clutch.unwrap_or(false) || spindle.brake.unwrap_or(false),
            coast,
            rear_post: self.post == Some(Post::Rear),
            carriage_stop: self.carriage_stop.unwrap_or_default(),
            readout,
            screw_mm: c.sound(screw.diameter_mm, 3.0, 200.0, &format!("{at}/leadscrew/diameter_mm"), "mm"),
            power,
            grip,
            untold: Vec::new(),
            motor_w: c.sound(spindle.motor_w, 20.0, 100_000.0, &format!("{at}/spindle/motor_w"), "W"),
            nothing_on: self.none.has("mounted"),
            pressure_angles: self.pressure_angles(at, c),
            gear_blank: self.gear_blank.clone().unwrap_or_default().check(&format!("{at}/gear_blank"), c),
            compound_feeds: self.thread_axis != Some(ThreadAxis::TopSlide) && !self.none.has("compound"),
        }
    }

    /// The pressure angle of each gear group.
    fn pressure_angles(&self, at: &str, c: &mut Checker) -> Vec<Option<f64>> {
        let groups = self.gear_groups.iter().flatten().enumerate();
        groups.map(|(i, g)| c.sound(g.pressure_angle_deg, 10.0, 30.0, &format!("{at}/gear_groups/{i}/pressure_angle_deg"), "degrees")).collect()
    }

    /// The other arms; without a first one measured they are nobody's.
    fn check_more_arms(&self, at: &str, c: &mut Checker) -> Vec<Arm> {
        let arms = self.more_arms.as_deref().unwrap_or_default();
        c.within(arms.len() as f64, 0.0, MOST_ARMS as f64, &format!("{at}/more_arms"), "other arms");
        if !arms.is_empty() && self.arm.is_none() {
            c.fault(format!("{at}/more_arms"), sentence!("fact-first-arm-first"));
        }
        arms.iter().enumerate().take(MOST_ARMS).filter_map(|(i, a)| a.check(&format!("{at}/more_arms/{i}"), c)).collect()
    }

    /// The trains that were tried.
    fn check_seen(&self, at: &str, c: &mut Checker) -> Vec<Tried> {
        let seen = self.seen.as_deref().unwrap_or_default();
        c.within(seen.len() as f64, 0.0, MOST_SEEN as f64, &format!("{at}/seen"), "trains tried");
        seen.iter().enumerate().take(MOST_SEEN).map(|(i, s)| s.check(&format!("{at}/seen/{i}"), c)).collect()
    }

    /// Whether the tumbler has a place for each way, right and left; none where nobody told.
    fn tumbler_places(&self) -> Option<[bool; 2]> {
        match &self.tumbler {
            Some(places) => Some([Tumbler::Right, Tumbler::Left].map(|way| places.contains(&way))),
            None => self.none.has("tumbler").then_some([false; 2]),
        }
    }

    /// What turns the spindle: with nothing to drive it, the hand.
    fn power(&self) -> Power {
        if self.none.has("drive") { Power::Hand } else { self.drive.unwrap_or_default() }
    }

    /// What no lathe that threads is without, said to be none of.
    fn check_none(&self, at: &str, c: &mut Checker) {
        for field in self.none.fields() {
            let wanted = match field {
                "leadscrew" | "cross_slide" | "spindle" | "post" => true,
                "speeds_rpm" => self.power() != Power::Hand,
                _ => false,
            };
            if wanted {
                c.fault(format!("{at}/{field}"), sentence!("fact-lathe-has-one"));
            }
        }
    }

    /// Whether the gears cannot be changed: the levers alone choose the pitch, and no gears are owned or hung.
    fn gears_fixed(&self, at: &str, c: &mut Checker) -> bool {
        let fixed = self.has_fixed_gears();
        if fixed {
            let told = [("gear_groups", self.gear_groups.is_some()), ("joined", self.joined.is_some()), ("bound", self.bound.is_some())];
            let mounted = self.mounted.as_ref().is_some_and(|m| m.drivers.iter().chain(&m.driven).any(|list| !list.is_empty()));
            for (field, _) in told.into_iter().chain([("mounted", mounted)]).filter(|(_, told)| *told) {
                c.fault(format!("{at}/{field}"), sentence!("fact-gears-fixed-none-hung"));
            }
        }
        fixed
    }

    /// How the screw takes hold: a slide screw always does, a carriage by its half-nut unless there is none.
    fn check_grip(&self, at: &str, c: &mut Checker) -> ScrewGrip {
        let has_none = self.half_nut == Some(false) || self.none.has("half_nut");
        match self.thread_axis.unwrap_or_default() {
            ThreadAxis::TopSlide if self.half_nut == Some(true) => {
                c.fault(format!("{at}/half_nut"), sentence!("fact-slide-screw-no-nut"));
                ScrewGrip::TopSlide
            }
            ThreadAxis::TopSlide => ScrewGrip::TopSlide,
            ThreadAxis::Carriage if has_none => ScrewGrip::Engaged,
            ThreadAxis::Carriage => ScrewGrip::HalfNut,
        }
    }

    /// The lever positions, told by their ratios or by the plate; without a gearbox there is one, straight through.
    fn check_gearbox(&self, straight_through: &Ratio, gears_fixed: bool, at: &str, c: &mut Checker) -> Vec<GearboxPosition> {
        let direct = || vec![GearboxPosition { name: "direct".into(), ratio: Exact(Ratio::new(1, 1)) }];
        let list = match (&self.gearbox, &self.plate) {
            (Some(_), Some(_)) => {
                c.fault(format!("{at}/plate"), sentence!("fact-give-gearbox-ratios-plate-pitches"));
                return direct();
            }
            (None, Some(plate)) => {
                // Gears that are never changed are in what the plate prints.
                let whole = PlateRequest { gears: None, row_gears: Vec::new(), ..plate.clone() };
                let plate = if gears_fixed { &whole } else { plate };
                let read = plate.settle(straight_through, &format!("{at}/plate"), c);
                for misread in &read.misread {
                    c.assume(format!("{at}/plate/cells/{}/{}", misread.row, misread.column), sentence!("fact-left-out-gearbox", says = misread.says));
                }
                if let Some(doubt) = read.doubt {
                    c.assume(format!("{at}/plate"), doubt);
                }
                read.positions
            }
            (list, None) => list.clone().unwrap_or_default(),
        };
        if self.gearbox.is_some() && !list.is_empty() {
            c.within(list.len() as f64, 1.0, 64.0, &format!("{at}/gearbox"), "gearbox positions");
            for (i, p) in list.iter().enumerate() {
                c.ratio(&p.ratio, &format!("{at}/gearbox/{i}/ratio"));
                if list.iter().take(i).any(|q| q.name == p.name) {
                    c.fault(format!("{at}/gearbox/{i}/name"), sentence!("fact-two-lever-positions-called-each", p = p.name));
                }
            }
        }
        let sound: Vec<_> = list.into_iter().filter(|p| p.ratio.0 > Ratio::zero()).take(64).collect();
        if sound.is_empty() { direct() } else { sound }
    }

    fn check_gears(&self, at: &str, c: &mut Checker) -> (Vec<f64>, Vec<Gear>) {
        let groups: Vec<(String, GearGroup)> = match (&self.gears, &self.gear_groups) {
            (Some(_), Some(_)) => {
                c.fault(format!("{at}/gears"), sentence!("fact-give-gears-geargroups-not-both"));
                vec![]
            }
            (Some(gears), None) => {
                let group = GearGroup { gears: Some(gears.clone()), joined: self.joined.clone(), bound: self.bound.clone(), ..GearGroup::default() };
                vec![(at.to_owned(), group)]
            }
            (None, Some(list)) => list.iter().enumerate().map(|(i, g)| (format!("{at}/gear_groups/{i}"), g.clone())).collect(),
            (None, None) => {
                let usual = assumed_lathe().gear_groups.unwrap_or_default();
                c.assume(format!("{at}/gears"), sentence!("fact-no-gears-listed-common-set"));
                usual.into_iter().map(|g| (at.to_owned(), g)).collect()
            }
        };
        drawer::settle(&groups, at, c)
    }

    fn check_speeds(&self, at: &str, c: &mut Checker) -> Speeds {
        let place = format!("{at}/speeds_rpm");
        let told = match &self.speeds_rpm {
            Some(Speeds::Steps(list)) if !list.is_empty() => {
                for (i, s) in list.iter().enumerate() {
                    c.within(*s, 1.0, 20_000.0, &format!("{place}/{i}"), "rpm");
                }
                let mut list = list.clone();
                list.sort_by(f64::total_cmp);
                Speeds::Steps(list)
            }
            Some(Speeds::Between { from, to }) => {
                c.within(*from, 1.0, 20_000.0, &format!("{place}/from"), "rpm");
                c.within(*to, from.max(1.0), 20_000.0, &format!("{place}/to"), "rpm");
                Speeds::Between { from: *from, to: *to }
            }
            _ => assumed_lathe().speeds_rpm.unwrap_or(Speeds::Between { from: 60.0, to: 1200.0 }),
        };
        // A crank has none to choose among: it goes as a hand turns it.
        if self.power() == Power::Hand { Speeds::Steps(vec![CRANKED_RPM]) } else { told }
    }
}

/// Turns the spindle coasts and the speed they are of: as measured, else by what stops it.
fn coast(spindle: &SpindleProfile, speeds: &Speeds, at: &str, c: &mut Checker) -> [f64; 2] {
    let from = c.sound(spindle.coast_at_rpm, 1.0, 20_000.0, &format!("{at}/coast_at_rpm"), "rpm");
    if let Some(turns) = c.sound(spindle.coast_turns, 0.0, 100.0, &format!("{at}/coast_turns"), "turns") {
        let from = from.unwrap_or_else(|| {
            let near = match speeds {
                Speeds::Steps(list) => {
                    list.iter().copied().min_by(|a, b| (a - COAST_AT_RPM).abs().total_cmp(&(b - COAST_AT_RPM).abs())).unwrap_or(COAST_AT_RPM)
                }
                Speeds::Between { from, to } => COAST_AT_RPM.clamp(*from, *to),
            };
            c.assume(format!("{at}/coast_at_rpm"), sentence!("fact-coast-speed-taken", turns = short_text(turns, 2), rpm = short_text(near, 0)));
            near
        });
        return [turns, from];
    }
    let [brake, clutch, neither] = COAST_TURNS;
    let (turns, by) = match (spindle.brake, spindle.clutch) {
        (Some(true), _) => (brake, "brake"),
        (_, Some(true)) => (clutch, "clutch"),
        _ => (neither, "neither"),
    };
    c.assume(
        format!("{at}/coast_turns"),
        sentence!(
            "fact-coast-taken",
            turns = short_text(turns, 2),
            count = if turns == 1.0 { "one" } else { "more" },
            rpm = short_text(COAST_AT_RPM, 0),
            by = by
        ),
    );
    [turns, COAST_AT_RPM]
}

fn leadscrew(screw: &LeadscrewProfile, at: &str, c: &mut Checker) -> (Ratio, String) {
    let usual = (pitch_of_tpi(&Ratio::from_integer(LEADSCREW_TPI)), format!("{LEADSCREW_TPI} TPI"));
    let number = |e: &Exact| short_text(real(&e.0), 3);
    let (pitch, text, field) = match (&screw.tpi, &screw.pitch_mm) {
        (Some(tpi), None) if tpi.0 > Ratio::zero() => (pitch_of_tpi(&tpi.0), format!("{} TPI", number(tpi)), "tpi"),
        (None, Some(mm)) => (mm.0, format!("{} mm", number(mm)), "pitch_mm"),
        (None, None) => {
            c.assume(format!("{at}/leadscrew"), sentence!("fact-no-leadscrew-given-tpi-assumed", leadscrew_tpi = LEADSCREW_TPI));
            return usual;
        }
        _ => {
            c.fault(format!("{at}/leadscrew"), sentence!("fact-give-tpi-over-0-pitchmm"));
            return usual;
        }
    };
    let place = format!("{at}/leadscrew/{field}");
    if c.within(real(&pitch), 0.05, 100.0, &place, "mm leadscrew pitch") { (pitch, text) } else { usual }
}

impl ArmProfile {
    fn check(&self, at: &str, c: &mut Checker) -> Option<Arm> {
        let centres_mm = c.sound(self.stud_to_leadscrew_mm, 10.0, 2000.0, &format!("{at}/stud_to_leadscrew_mm"), "mm")?;
        let reach = self.slot_reach_mm.as_deref().unwrap_or(&[0.0, 2000.0]);
        let &[near, far] = reach else {
            c.fault(format!("{at}/slot_reach_mm"), sentence!("fact-two-numbers-wanted-nearest-farthest"));
            return None;
        };
        if !(near >= 0.0 && far > near) {
            c.fault(format!("{at}/slot_reach_mm"), sentence!("fact-farthest-must-more-than-nearest"));
            return None;
        }
        let shaft = c.sound(self.shaft_radius_mm, 0.0, 500.0, &format!("{at}/shaft_radius_mm"), "mm").unwrap_or(SHAFT_RADIUS_MM);
        let studs = c.count(self.studs, (1, 6), STUDS, &format!("{at}/studs"), "studs");
        let idlers_only = self.idlers_only.unwrap_or(false);
        Some(Arm { centres_mm, reach_mm: [near, far], shaft_radius_mm: shaft, studs: u8::try_from(studs).unwrap_or(2), idlers_only, name: self.name.clone() })
    }
}

impl ReadoutProfile {
    fn check(&self, otherwise: LengthUnit, at: &str, c: &mut Checker) -> Readout {
        Readout {
            unit: self.unit.unwrap_or(otherwise),
            resolution_mm: c.sound(self.resolution_mm, 0.0001, 0.1, &format!("{at}/resolution_mm"), "mm").unwrap_or(READOUT_MM),
            cross_slide: self.cross_slide,
            compound: self.compound.unwrap_or(false),
        }
    }
}

/// The teeth of a train, each fault under its own side.
fn train(drivers: Option<&Vec<i64>>, driven: Option<&Vec<i64>>, at: &str, c: &mut Checker) -> Mounted {
    let mut teeth = |list: Option<&Vec<i64>>, name: &str| c.teeth(list.map_or(&[][..], Vec::as_slice), &format!("{at}/{name}"));
    Mounted { drivers: teeth(drivers, "drivers"), driven: teeth(driven, "driven") }
}

impl SeenProfile {
    fn check(&self, at: &str, c: &mut Checker) -> Tried {
        let Mounted { drivers, driven } = train(self.drivers.as_ref(), self.driven.as_ref(), at, c);
        if drivers.len() != driven.len() || drivers.is_empty() {
            c.fault(format!("{at}/driven"), sentence!("fact-seen-as-many"));
        }
        Tried { drivers, driven, hangs: self.hangs.unwrap_or(true) }
    }
}

impl GearBlankProfile {
    fn check(&self, at: &str, c: &mut Checker) -> GearBlank {
        let mut mm = |value: Option<f64>, low: f64, high: f64, field: &str| c.sound(value, low, high, &format!("{at}/{field}"), "mm");
        GearBlank {
            bore_mm: mm(self.bore_mm, 1.0, 300.0, "bore_mm"),
            key_mm: mm(self.key_mm, 0.5, 50.0, "key_mm"),
            face_mm: mm(self.face_mm, 1.0, 200.0, "face_mm"),
            depth_mm: mm(self.depth_mm, 0.2, 60.0, "depth_mm"),
            pressure_angle_deg: c.sound(self.pressure_angle_deg, 10.0, 30.0, &format!("{at}/pressure_angle_deg"), "degrees"),
        }
    }
}

/// What a gear to make must be beside its teeth and its module, where that was told.
#[derive(Debug, Clone, Copy, Default, PartialEq)]
pub struct GearBlank {
    /// Pressure angle, degrees.
    pub pressure_angle_deg: Option<f64>,
    /// Bore, mm.
    pub bore_mm: Option<f64>,
    /// Width of the key, mm.
    pub key_mm: Option<f64>,
    /// Width of the face, mm.
    pub face_mm: Option<f64>,
    /// Whole depth as the cutter is marked, mm.
    pub depth_mm: Option<f64>,
}

/// Most other arms, and most trains remembered.
const MOST_ARMS: usize = 8;
pub(crate) const MOST_SEEN: usize = 200;

impl DialProfile {
    fn check(&self, at: &str, c: &mut Checker) -> Option<Dial> {
        let teeth = match self.teeth.as_ref()? {
            OneOrMany::One(t) => vec![*t],
            OneOrMany::Many(list) => list.clone(),
        };
        let teeth = c.teeth(&teeth, &format!("{at}/teeth"));
        let marks = match self.marks {
            Some(m) if c.within(m as f64, 1.0, 400.0, &format!("{at}/marks"), "marks") => u16::try_from(m).ok(),
            _ => None,
        };
        (!teeth.is_empty()).then_some(Dial { teeth, marks })
    }
}

impl SlideProfile {
    /// A collar not told goes with the leadscrew: thousandths of an inch, or fiftieths of a millimetre.
    fn check(&self, metric_screw: bool, at: &str, c: &mut Checker) -> Slide {
        let unit = self.unit.unwrap_or(if metric_screw { LengthUnit::Mm } else { LengthUnit::In });
        let scale = if unit == LengthUnit::In { MM_PER_INCH } else { 1.0 };
        let (usual_division, usual_turn) = if unit == LengthUnit::In { (0.001, 0.1) } else { (0.02, 3.0) };
        let division = c.sound(self.graduation, 1e-5, 10.0, &format!("{at}/graduation"), "").unwrap_or(usual_division);
        let turn = c.sound(self.per_turn, 1e-4, 1000.0, &format!("{at}/per_turn"), "").unwrap_or(usual_turn);
        let divisions = turn / division;
        if (divisions - divisions.round()).abs() > 1e-6 || divisions < 1.0 {
            c.fault(format!("{at}/per_turn"), sentence!("fact-one-turn-must-whole-number"));
        }
        let swing = self.swing_deg.as_deref().unwrap_or(&[-90.0, 90.0]);
        let swing_deg = match *swing {
            [a, b] if (-180.0..=180.0).contains(&a) && (a..=180.0).contains(&b) => [a, b],
            _ => {
                c.fault(format!("{at}/swing_deg"), sentence!("fact-two-angles-wanted-lesser-first"));
                [-90.0, 90.0]
            }
        };
        Slide {
            unit,
            graduation_mm: division * scale,
            divisions: divisions.round().max(1.0),
            reads: self.reads.unwrap_or(Reads::Radius),
            travel_mm: c.sound(self.travel_mm, 1.0, 5000.0, &format!("{at}/travel_mm"), "mm"),
            swing_deg,
            scale_from_bed: self.scale_zero == Some(ScaleZero::Bed),
        }
    }
}
