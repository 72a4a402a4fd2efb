//! What a run needs of its plan: frozen with it at the first pass, and read back however old.

use crate::bit::V_FROM_DEG;
use crate::cut::{DepthDial, PassKind, Then};
use crate::making::Maker;
use crate::say;
use crate::setup::CyclePhase;
use crate::thread::{Flanks, RunMate, Side, flat_of_radius};
use crate::voice::{LatheKind, Voice};
use crate::words::Vocabulary;
use serde::{Deserialize, Serialize};

/// Differences of depth smaller than this are the same setting, mm.
pub(crate) const SAME_MM: f64 = 1e-6;

/// A pass to be cut.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct RunPass {
    /// Its number.
    pub n: u32,
    /// What it is for.
    pub kind: PassKind,
    /// Radial depth to set, mm.
    pub radial_mm: f64,
    /// Side-step of the compound along the bed, mm; toward the leading side under nought.
    #[serde(default, skip_serializing_if = "crate::quantity::is_nought")]
    pub side_mm: f64,
    /// What is done before any goes deeper.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub then: Option<Then>,
}

fn is_single_point(maker: &Maker) -> bool {
    *maker == Maker::SinglePoint
}

fn none_hidden(v: &[f64; 2]) -> bool {
    *v == [0.0; 2]
}

/// The tip a plan was laid out for, and how well it is known.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct RunTip {
    /// Pitch, mm.
    pub pitch_mm: f64,
    /// Half angle, degrees; of unequal flanks, that of the even groove that widens as fast.
    pub alpha_deg: f64,
    /// Unequal flanks, degrees, the leading one first.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub flanks_deg: Option<[f64; 2]>,
    /// Narrowest the flat, or the flat as deep as a round tip, could be, mm.
    pub narrow_mm: f64,
    /// Widest it could be, mm.
    pub wide_mm: f64,
}

impl RunTip {
    /// The flanks it cuts.
    #[must_use]
    pub fn flanks(&self) -> Flanks {
        self.flanks_deg.map_or(Flanks::even(self.alpha_deg), |[leading, trailing]| Flanks { leading, trailing })
    }

    /// How fast the groove widens with depth.
    #[must_use]
    pub fn slope(&self) -> f64 {
        2.0 * self.alpha_deg.to_radians().tan()
    }

    /// How far a tip with this flat stands past the pitch line, mm.
    #[must_use]
    pub fn height(&self, flat_mm: f64) -> f64 {
        self.pitch_mm / (2.0 * self.slope()) - flat_mm / self.slope()
    }
}

/// Another class of the same thread, whose limits reach past these.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct RunClass {
    /// As it is written.
    pub name: String,
    /// Its limits of the pitch diameter, mm.
    pub limits_mm: [f64; 2],
}

/// Doubt of a careful micrometer reading over wires, mm on diameter. House value: two spreads of a
/// 0.002 mm instrument and its wires.
pub const READING_DOUBT_MM: f64 = 0.005;

/// The wires of the plan.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct RunWires {
    /// Diameter, mm.
    pub wire_mm: f64,
    /// Size over them less the pitch diameter, mm.
    pub sum_mm: f64,
    /// Whether that is corrected for the lead angle.
    pub corrected: bool,
}

/// A step of a thread made by a die or a tap.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct RunStage {
    /// Stable name.
    pub code: String,
    /// In a word or two.
    pub name: String,
    /// What to do.
    pub says: String,
}

/// What a run needs of its plan; frozen with it at the first pass.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct RunPlan {
    /// Member being cut.
    pub side: Side,
    /// Diameter the cut starts from, mm.
    pub start_mm: f64,
    /// Tip to pitch line, mm.
    pub tip_to_pitch_mm: f64,
    /// How far the infeed could be out for want of measuring the tip, mm radial.
    pub tip_doubt_mm: f64,
    /// Pitch diameter aimed at, mm.
    pub target_mm: f64,
    /// Limits of the pitch diameter, mm.
    pub limits_mm: [f64; 2],
    /// The dial that carries the depth.
    pub dial: DepthDial,
    /// Wires, when they serve.
    pub wires: Option<RunWires>,
    /// Sizes of the other wires owned, mm: one may have been taken for another.
    #[serde(default, skip_serializing_if = "Vec::is_empty")]
    pub owned_wires_mm: Vec<f64>,
    /// Largest single finishing cut asked for after a measurement, mm radial.
    pub finishing_cut_mm: f64,
    /// The schedule.
    pub passes: Vec<RunPass>,
    /// The tip it was laid out for; absent in plans frozen before it was kept.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub tip: Option<RunTip>,
    /// The mate it is tried with; absent in plans frozen before it was kept.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub mate: Option<RunMate>,
    /// Least and largest pitch diameter a mate of its standard, or the one measured, may have, mm; absent where there is no such bar.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub mate_limits_mm: Option<[f64; 2]>,
    /// The compound along the bed, when passes step aside.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub side_dial: Option<DepthDial>,
    /// What every pass goes through, in order.
    #[serde(default, skip_serializing_if = "Vec::is_empty")]
    pub cycle: Vec<CyclePhase>,
    /// Whether opening the half-nut loses the thread.
    #[serde(default)]
    pub opening_loses: bool,
    /// How the thread is picked up again.
    #[serde(default, skip_serializing_if = "Vec::is_empty")]
    pub pick_up: Vec<String>,
    /// Lead, mm, where it is not the pitch.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub lead_mm: Option<f64>,
    /// What neither wires nor micrometer feel and a mate does, as pitch diameter, mm: of the lead's error over the nut, and of the flanks.
    #[serde(default, skip_serializing_if = "none_hidden")]
    pub hidden_mm: [f64; 2],
    /// Height of the basic flank on the crest's side of the pitch line and on the root's, mm on diameter.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub heights_mm: Option<[f64; 2]>,
    /// Share of a cut that springs away and its standard deviation, as learned, where that is used.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub spring: Option<[f64; 2]>,
    /// Classes whose limits reach past these.
    #[serde(default, skip_serializing_if = "Vec::is_empty")]
    pub classes: Vec<RunClass>,
    /// What makes the thread, where it is not a single point.
    #[serde(default, skip_serializing_if = "is_single_point")]
    pub maker: Maker,
    /// What finishes it after the single point, which only leaves it so much.
    #[serde(default, skip_serializing_if = "is_single_point")]
    pub finished_by: Maker,
    /// How much the single point leaves it on the pitch diameter, mm.
    #[serde(default, skip_serializing_if = "crate::quantity::is_nought")]
    pub left_for_finishing_mm: f64,
    /// The steps of a die or a tap, pass by pass.
    #[serde(default, skip_serializing_if = "Vec::is_empty")]
    pub stages: Vec<RunStage>,
    /// How far the crest as turned or bored is past what it may be, mm on diameter, where it was measured.
    #[serde(default, skip_serializing_if = "crate::quantity::is_nought")]
    pub crest_over_mm: f64,
    /// Whether the mate's size was only reckoned, so that trying it alone proves this.
    #[serde(default, skip_serializing_if = "std::ops::Not::not")]
    pub must_try: bool,
    /// Whether the die closes, so that it can be run over again.
    #[serde(default, skip_serializing_if = "std::ops::Not::not")]
    pub closes: bool,
    /// The kind of lathe it is cut on, where that is not the usual one.
    #[serde(default, skip_serializing_if = "LatheKind::is_usual")]
    pub lathe: LatheKind,
}

/// How far another form bit that was not measured may be from the last, as shares of its flat. House values.
const OTHER_NARROW: f64 = 0.85;
const OTHER_WIDE: f64 = 1.15;
/// Widest flat any bit is told with, as a share of the pitch.
const WIDEST: f64 = 0.6;
/// How far a touch in the groove may be out, mm radial. House value.
const TOUCH_MM: f64 = 0.1;

impl RunPlan {
    /// The voice, speaking of the lathe it is cut on.
    #[must_use]
    pub const fn voiced(&self, voice: Voice) -> Voice {
        Voice { lathe: self.lathe, ..voice }
    }

    /// The same run, its settings said in these words.
    #[must_use]
    pub fn said_in(&self, words: Vocabulary) -> Self {
        let mut said = self.clone();
        for dial in std::iter::once(&mut said.dial).chain(&mut said.side_dial) {
            dial.words = words;
        }
        said
    }

    /// The same run, what it says taken from the same plan spoken in another voice.
    #[must_use]
    pub fn spoken_as(self, other: Self) -> Self {
        Self { cycle: other.cycle, pick_up: other.pick_up, stages: other.stages, ..self }
    }
}

impl RunPlan {
    /// Whether a die or a tap makes it.
    #[must_use]
    pub fn chased(&self) -> bool {
        self.maker != Maker::SinglePoint
    }

    /// 1 where cutting makes the figure smaller, −1 in a bore.
    #[must_use]
    pub fn cut_sign(&self) -> f64 {
        if self.side == Side::External { 1.0 } else { -1.0 }
    }

    /// The limit of the pitch diameter that cutting meets first, mm.
    #[must_use]
    pub fn near_limit(&self) -> f64 {
        self.limits_mm[usize::from(self.side == Side::External)]
    }

    /// The limit past which the thread is spoilt, mm.
    #[must_use]
    pub fn far_limit(&self) -> f64 {
        self.limits_mm[usize::from(self.side == Side::Internal)]
    }

    /// What a mate feels and no micrometer does, as pitch diameter, mm.
    #[must_use]
    pub fn hidden(&self) -> f64 {
        self.hidden_mm.iter().sum()
    }

    /// Least and most clearance with the mate on the pitch diameter, mm: with it as made where that was measured, else over its limits.
    #[must_use]
    pub fn clearance(&self) -> [f64; 2] {
        let about = |m: RunMate| {
            if m.doubt_mm <= READING_DOUBT_MM { [m.pitch_diameter_mm; 2] } else { [m.pitch_diameter_mm - m.doubt_mm, m.pitch_diameter_mm + m.doubt_mm] }
        };
        let mate = self.mate.map_or([self.near_limit(); 2], about);
        let (tight, loose) = if self.side == Side::External { (mate[0], mate[1]) } else { (mate[1], mate[0]) };
        [self.cut_sign() * (tight - self.near_limit()), self.cut_sign() * (loose - self.far_limit())]
    }

    /// The way back into a groove so deep, mm radial: with the tip seated in it the dial must read what the groove is deep, or every
    /// setting after is out.
    #[must_use]
    pub fn way_back(&self, stands_mm: f64, voice: Voice) -> Vec<String> {
        let stands = self.dial.nearest(stands_mm).setting;
        let mut steps = self.pick_up.clone();
        steps.insert(steps.len().min(2), say!(voice, "pick-up-depth", setting = stands.text, reading = stands.reading));
        steps
    }

    /// Depths the plan sets on the way from one depth to another, both left out.
    pub fn between(&self, from_mm: f64, to_mm: f64) -> impl Iterator<Item = f64> {
        self.passes.iter().map(|p| p.radial_mm).filter(move |d| *d > from_mm + SAME_MM && *d < to_mm - SAME_MM)
    }

    /// Depths on the way to `last`, it included: the planned ones that still lie between, and no step bolder than a finishing cut once
    /// those have run out.
    #[must_use]
    pub fn steps_to(&self, planned: impl Iterator<Item = f64>, from_mm: f64, last_mm: f64) -> Vec<f64> {
        let mut depths: Vec<f64> = planned.filter(|d| *d > from_mm + SAME_MM && *d < last_mm - self.finishing_cut_mm / 2.0).collect();
        let from = depths.last().copied().unwrap_or(from_mm);
        let steps = ((last_mm - from) / self.finishing_cut_mm - 1e-9).ceil().clamp(1.0, 50.0);
        #[allow(clippy::cast_possible_truncation, clippy::cast_sign_loss)] // clamped just above
        let steps = steps as u32;
        depths.extend((1..steps).map(|i| self.dial.nearest(from + (last_mm - from) * f64::from(i) / f64::from(steps)).radial_mm));
        depths.push(last_mm);
        depths.dedup_by(|a, b| (*a - *b).abs() < SAME_MM);
        depths
    }

    /// Pitch diameter when the flanks are so far in from where the cut starts, mm radial: the tip left out of it.
    #[must_use]
    pub fn size_at(&self, in_mm: f64) -> f64 {
        self.start_mm - self.cut_sign() * 2.0 * in_mm
    }

    /// Radial depth at which a tip that stands so far past the pitch line is at this pitch diameter, mm.
    #[must_use]
    pub fn depth_of(&self, pitch_diameter_mm: f64, tip_to_pitch_mm: f64) -> f64 {
        self.cut_sign() * (self.start_mm - pitch_diameter_mm) / 2.0 + tip_to_pitch_mm
    }

    /// The same plan gone on with by another bit: its tip as told, or when it was not, as the one before by guess.
    #[must_use]
    pub fn with_bit(&self, flat_mm: Option<f64>, radius_mm: Option<f64>) -> Self {
        let Some(tip) = self.tip.filter(|t| t.alpha_deg > 0.0) else { return self.clone() };
        let told = flat_mm.or_else(|| radius_mm.map(|r| flat_of_radius(r, tip.flanks())));
        // Not measured, it may be all that the form allows: a V from sharp to a quarter of the pitch, the rest a share about what it was.
        let untold = || if tip.alpha_deg >= V_FROM_DEG { (0.0, tip.pitch_mm / 4.0) } else { (OTHER_NARROW * tip.narrow_mm, OTHER_WIDE * tip.wide_mm) };
        let (narrow_mm, wide_mm) = told.map_or_else(untold, |f| (f, f));
        self.with_tip(RunTip { narrow_mm, wide_mm, ..tip })
    }

    /// The same plan with a tip that lies between these flats; the passes are laid out for the wider.
    fn with_tip(&self, tip: RunTip) -> Self {
        let [longest, shortest] = [tip.narrow_mm, tip.wide_mm].map(|flat| tip.height(flat));
        Self { tip: Some(tip), tip_to_pitch_mm: shortest, tip_doubt_mm: longest - shortest, ..self.clone() }
    }

    /// Whether the sides are straight, so that no tip sets a depth.
    #[must_use]
    pub fn straight(&self) -> bool {
        self.tip.is_some_and(|t| t.alpha_deg <= 0.0)
    }

    /// The same plan with the tip found by touching a groove of this size with it: both flanks met where the dial read `radial_mm`, or only
    /// the bottom, and then it is at least as sharp. `doubt_mm` is that of the size.
    #[must_use]
    pub fn touched(&self, radial_mm: f64, (size_mm, doubt_mm): (f64, f64), bottom_only: bool) -> Self {
        let Some(tip) = self.tip.filter(|t| t.alpha_deg > 0.0) else { return self.clone() };
        let slope = tip.slope();
        let reach = radial_mm - self.depth_of(size_mm, 0.0);
        let flat = (tip.pitch_mm / 2.0 - reach * slope).max(0.0);
        let give = doubt_mm / 2.0 * slope;
        let (narrow_mm, wide_mm) = if bottom_only { (0.0, flat + give) } else { ((flat - give).max(0.0), flat + give) };
        self.with_tip(RunTip { narrow_mm, wide_mm, ..tip })
    }

    /// Radial depths at which any tip there could be would touch a groove of this size, mm: the widest first, a needle last.
    #[must_use]
    pub fn touches(&self, size_mm: f64) -> Option<[f64; 2]> {
        let tip = self.tip.filter(|t| t.alpha_deg > 0.0)?;
        let at = |flat: f64| self.depth_of(size_mm, tip.height(flat));
        // A tip wider than the form's crests are high never reaches the size: it is not one of this form.
        let form = |heights: [f64; 2]| (tip.pitch_mm / 2.0 - heights[0].min(heights[1]) / 2.0 * tip.slope()) * OTHER_WIDE;
        let widest = self.heights_mm.map_or(f64::INFINITY, form).min(WIDEST * tip.pitch_mm);
        Some([at(widest.max(tip.wide_mm)) - TOUCH_MM, at(0.0) + TOUCH_MM])
    }

    /// Root diameter the tip leaves when the pitch diameter is this, mm.
    #[must_use]
    pub fn root_at(&self, pitch_diameter_mm: f64) -> f64 {
        let below = if self.side == Side::External { -1.0 } else { 1.0 };
        pitch_diameter_mm + below * 2.0 * self.tip_to_pitch_mm
    }
}
