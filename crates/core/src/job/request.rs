//! The plan request as it comes over the wire. Every field but the thread has a default; lengths in
//! mm, angles in degrees.

use super::profile::LatheProfile;
use crate::direction::{Faces, Hand, Wall};
use crate::job::choices::{Ending, Style, Way};
use crate::job::pad::SumRequest;
use crate::job::{BlankAim, DepthLaw, EndKind, Grinder, Holding, KeepRequest, OwnRow, ParallelRequest, PlainRequest, ReadBy, RegisterRequest, Support};
use crate::kit::{Kit, TriedRequest};
use crate::making::MakingRequest;
use crate::original::OriginalRequest;
use crate::quantity::LengthUnit;
use crate::thread::identify::SampleRequest;
use crate::thread::{PairSchool, Side, SpecialRequest};
use crate::voice::{Stands, Voice};
use crate::words::Vocabulary;
use serde::{Deserialize, Serialize};

/// The thread, the lathe, and whatever real facts are known.
#[derive(Debug, Clone, Default, PartialEq, Serialize, Deserialize)]
#[serde(default, deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct PlanRequest {
    /// The thread wanted.
    pub thread: ThreadRequest,
    /// What was measured of a sample, while its thread is not known, and after.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub sample: Option<SampleRequest>,
    /// The mate, when this is one member of a pair.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub mate: Option<MateRequest>,
    /// What makes the thread: a single point, a die or a tap.
    #[serde(skip_serializing_if = "MakingRequest::is_untold")]
    pub making: MakingRequest,
    /// The blank or bore.
    pub blank: BlankRequest,
    /// The lathe; a plain assumed one when absent.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub lathe: Option<LatheProfile>,
    /// A stored lathe, instead of `lathe`.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub lathe_id: Option<String>,
    /// Wires, bits and drills owned.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub kit: Option<Kit>,
    /// The train.
    pub gears: GearsRequest,
    /// The bit as ground.
    pub bit: BitRequest,
    /// How the cut is run.
    pub setup: SetupRequest,
    /// How the depth is reached.
    pub cut: CutRequest,
    /// How the size is proven.
    pub gauge: GaugeRequest,
    /// The bench pad: small sums, linked, some feeding the facts above.
    #[serde(skip_serializing_if = "Vec::is_empty")]
    pub pad: Vec<SumRequest>,
    /// The unit texts are spoken in; millimetres when absent.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub unit: Option<LengthUnit>,
    /// Which trade words to use.
    pub words: Vocabulary,
    /// Where it is read: the letters of its drawings are the larger at the bench.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub stands: Option<Stands>,
}

impl PlanRequest {
    /// What the plan is spoken in.
    #[must_use]
    pub fn voice(&self) -> Voice {
        Voice { unit: self.unit.unwrap_or_default(), words: self.words, stands: self.stands.unwrap_or_default(), ..Voice::default() }
    }

    /// The same request, its plan spoken in this voice.
    #[must_use]
    pub fn spoken(self, voice: Voice) -> Self {
        Self { unit: Some(voice.unit), words: voice.words, stands: Some(voice.stands), ..self }
    }

    /// Whether it names no lathe: what hangs on one is then the assumed one's, and nobody's.
    #[must_use]
    pub const fn on_no_lathe(&self) -> bool {
        self.lathe.is_none() && self.lathe_id.is_none()
    }

    /// Whether this is a sample whose thread is still to be found: it cannot be planned, and is no fault.
    #[must_use]
    pub const fn awaits_identification(&self) -> bool {
        self.sample.is_some() && self.thread.callout.is_none() && self.thread.special.is_none()
    }
}

/// The thread wanted: a callout, and what overrides it.
#[derive(Debug, Clone, Default, PartialEq, Serialize, Deserialize)]
#[serde(default, deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ThreadRequest {
    /// As typed: `M20x2.5-6g LH`.
    pub callout: Option<String>,
    /// Sizes of one's own, instead of a callout.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub special: Option<SpecialRequest>,
    /// Overrides the side.
    pub side: Option<Side>,
    /// Overrides the hand.
    pub hand: Option<Hand>,
    /// Starts, 1-12.
    pub starts: Option<i64>,
    /// Overrides the class.
    pub class: Option<String>,
    /// Threaded length.
    pub length_mm: Option<f64>,
    /// Length the mate engages.
    pub engagement_mm: Option<f64>,
    /// Coating to come, thickness on a surface: the thread is cut smaller, or the nut larger, for it.
    pub coating_mm: Option<f64>,
    /// Whether a 60° screw's root must be rounded, as UNR or a strong bolt's.
    pub rounded_root: Option<bool>,
    /// Clearance between the members at crest and root, on diameter; square and special threads only.
    pub clearance_mm: Option<f64>,
    /// The end of the lathe that the flank carrying the load faces; of a thread with unequal flanks only.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub load_flank: Option<Faces>,
}

/// The other member of a pair.
#[derive(Debug, Clone, Default, PartialEq, Serialize, Deserialize)]
#[serde(default, deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct MateRequest {
    /// Which member is made first; the recommended one when absent.
    pub school: Option<PairSchool>,
    /// Pitch diameter of the mate as made and measured.
    pub made_pitch_diameter_mm: Option<f64>,
    /// How far that may be out, where it was reckoned and not measured; the mate is then tried.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub made_doubt_mm: Option<f64>,
    /// Or the screw's size over wires, as measured.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub made_over_wires_mm: Option<f64>,
    /// The wires that was measured over.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub made_wire_mm: Option<f64>,
    /// Crest diameter of the mate as made: a screw's outside, a nut's bore.
    pub made_crest_mm: Option<f64>,
    /// Root diameter of the mate as made.
    pub made_root_mm: Option<f64>,
    /// Least clearance wanted on the pitch diameter, instead of the standard's.
    pub clearance_mm: Option<f64>,
    /// Whether the parts must interchange with others.
    pub interchange: Option<bool>,
}

/// The blank, or the bore, as turned.
#[derive(Debug, Clone, Default, PartialEq, Serialize, Deserialize)]
#[serde(default, deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct BlankRequest {
    /// Diameter of the blank or bore as it really is.
    pub diameter_mm: Option<f64>,
    /// Bore to this share of a full sharp thread, per cent; internal only.
    pub engagement_percent: Option<f64>,
    /// Where in the limits to turn or bore; the middle when absent.
    pub aim: Option<BlankAim>,
    /// Whether the thread runs up to a shoulder or the bottom of a bore.
    pub shoulder: Option<bool>,
    /// Width of the relief, if there is one.
    pub relief_width_mm: Option<f64>,
    /// Diameter of the relief, if there is one.
    pub relief_diameter_mm: Option<f64>,
    /// Radius in the relief's corners, if it is there.
    pub relief_corner_mm: Option<f64>,
    /// Diameter of the shoulder; drawn as a likely one when absent.
    pub shoulder_mm: Option<f64>,
    /// Diameter it is chamfered to.
    pub chamfer_mm: Option<f64>,
    /// From the face of the part's end to where the thread begins: the length of a nose or a journal before it; 0 when absent.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub from_end_mm: Option<f64>,
    /// How the thread ends; a shoulder asks for a relief, none for the open.
    pub end: Option<EndKind>,
    /// How the headstock end is held; the recommended way when absent.
    pub holding: Option<Holding>,
    /// Whether the thread must run true to what is finished already.
    pub runs_true: Option<bool>,
    /// Whether another thread of the part is finished and must not be crushed.
    pub other_thread_finished: Option<bool>,
    /// Whole swing of an indicator on the work as held.
    pub runout_mm: Option<f64>,
    /// Whether that was read after the work was out and put back midway.
    pub rechucked: Option<bool>,
    /// Two diameters of one turned length.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub parallel: Option<ParallelRequest>,
    /// The register at the mouth, for the mate's plain part.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub register: Option<RegisterRequest>,
    /// Plain dimensions of the part, with their tolerances.
    #[serde(skip_serializing_if = "Vec::is_empty")]
    pub plain: Vec<PlainRequest>,
    /// What holds the far end; nothing when absent.
    pub support: Option<Support>,
    /// How far it stands out of the chuck; the threaded length when absent.
    pub stick_out_mm: Option<f64>,
    /// Outside diameter of a part with a bore.
    pub outside_mm: Option<f64>,
    /// Force of each jaw on it, N.
    pub jaw_force_n: Option<f64>,
    /// Length the jaws grip; the threaded length when absent.
    pub grip_mm: Option<f64>,
    /// From the end of a thread that runs out into the open to what stands beyond it toward the headstock: jaws, a stop, the end of the room
    /// behind a bore. A bar's jaws follow from its stick-out.
    pub beyond_mm: Option<f64>,
    /// Whether a die, of a nut a tap, finishes the thread: a blank is then turned a tenth of the pitch small.
    pub die_finish: Option<bool>,
    /// Material code: of the table, of the user's own, or `not_known`.
    pub material: Option<String>,
    /// Of a material not known, what magnet, file, spark and swarf showed.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub tried: Option<TriedRequest>,
}

/// The train.
#[derive(Debug, Clone, Default, PartialEq, Serialize, Deserialize)]
#[serde(default, deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct GearsRequest {
    /// The train chosen; else the first of the list.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub hang: Option<HangRequest>,
    /// How many trains to list, 1-200.
    pub limit: Option<i64>,
    /// Only exact trains.
    pub exact_only: Option<bool>,
    /// Only trains this true, parts per million.
    pub max_error_ppm: Option<f64>,
    /// Only this gearbox position.
    pub gearbox: Option<String>,
    /// Gears to keep on.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub keep: Option<KeepRequest>,
    /// At most this many gears changed from those mounted.
    pub max_changes: Option<i64>,
}

/// A train to hang.
#[derive(Debug, Clone, Default, PartialEq, Serialize, Deserialize)]
#[serde(default, deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct HangRequest {
    /// Teeth of the drivers, spindle end first.
    pub drivers: Vec<i64>,
    /// Teeth of the driven gears, spindle end first.
    pub driven: Vec<i64>,
    /// Gearbox position by name.
    pub gearbox: Option<String>,
}

/// The bit as ground. Give a flat or a radius, not both.
#[derive(Debug, Clone, Default, PartialEq, Serialize, Deserialize)]
#[serde(default, deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct BitRequest {
    /// Included angle.
    pub included_angle_deg: Option<f64>,
    /// Flat on the tip.
    pub tip_flat_mm: Option<f64>,
    /// Radius on the tip.
    pub tip_radius_mm: Option<f64>,
    /// Narrowest and widest the flat on the tip could be, when it is only guessed.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub tip_flat_between_mm: Option<Vec<f64>>,
    /// Least and most the radius on the tip could be, when it is only guessed.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub tip_radius_between_mm: Option<Vec<f64>>,
    /// From the point to the bit's side toward the shoulder; the flank alone when absent.
    pub body_ahead_mm: Option<f64>,
    /// How far the bit is tilted to the lead in its holder, or by a holder ground to the helix, degrees.
    pub tilt_deg: Option<f64>,
    /// Working clearance; else the material's.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub clearance_deg: Option<f64>,
    /// Relief ground on the leading side, seen from the front.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub leading_relief_deg: Option<f64>,
    /// Relief ground on the trailing side, seen from the front.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub trailing_relief_deg: Option<f64>,
    /// Back rake.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub rake_deg: Option<f64>,
    /// Turned out of square, the point toward the leading side.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub square_deg: Option<f64>,
    /// Tip above centre; below is under nought.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub height_mm: Option<f64>,
    /// Thickness of the bar it is held in, in a bore.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub bar_diameter_mm: Option<f64>,
    /// What stands before the bore's mouth and must be reached past.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub reach_past_mm: Option<f64>,
    /// How it is held to the wheel.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub grinder: Option<Grinder>,
    /// The bit, bar or insert of the drawer picked for this job, by name; what else is told here stands before its own facts.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub owned: Option<String>,
}

/// How the cut is run.
#[derive(Debug, Clone, Default, PartialEq, Serialize, Deserialize)]
#[serde(default, deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct SetupRequest {
    /// Toward the headstock or away from it.
    pub way: Option<Way>,
    /// The wall of a bore that is cut; near unless the spindle runs reversed.
    pub wall: Option<Wall>,
    /// How each pass ends.
    pub ending: Option<Ending>,
    /// Room to stop in.
    pub runout_mm: Option<f64>,
    /// Reaction time of the hand.
    pub reaction_s: Option<f64>,
    /// Spindle speed chosen.
    pub spindle_rpm: Option<f64>,
    /// Most the work may turn at, being out of balance.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub balance_rpm: Option<f64>,
    /// Most the user cares to thread at.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub comfort_rpm: Option<f64>,
    /// Backlash of the carriage's drive, taken up at the start of every pass.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub backlash_mm: Option<f64>,
}

/// How the depth is reached.
#[derive(Debug, Clone, Default, PartialEq, Serialize, Deserialize)]
#[serde(default, deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct CutRequest {
    /// Infeed style.
    pub style: Option<Style>,
    /// Compound angle from the cross-slide line.
    pub compound_angle_deg: Option<f64>,
    /// Pitch diameter aimed at; else the middle of the limits.
    pub target_pitch_diameter_mm: Option<f64>,
    /// Cutting passes after the scratch, 1-200.
    pub passes: Option<i64>,
    /// Spring passes with no infeed, 0-20.
    pub spring_passes: Option<i64>,
    /// How the depth is shared out among the passes.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub depth_law: Option<DepthLaw>,
    /// Passes set by hand; those after one are shared out anew from it.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub rows: Option<Vec<OwnRow>>,
    /// Tip of the stocking tool, when it is not the one proposed.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub stocking_flat_mm: Option<f64>,
    /// What the depth is read on.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub read_by: Option<ReadBy>,
    /// The plunger indicator, when that is what it is read on.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub indicator: Option<IndicatorRequest>,
}

/// A plunger indicator.
#[derive(Debug, Clone, Default, PartialEq, Serialize, Deserialize)]
#[serde(default, deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct IndicatorRequest {
    /// Its unit.
    pub unit: Option<LengthUnit>,
    /// One division, in that unit.
    pub graduation: Option<f64>,
    /// One turn of its hand, in that unit.
    pub per_turn: Option<f64>,
    /// How far its plunger goes.
    pub travel_mm: Option<f64>,
}

/// How the size is proven.
#[derive(Debug, Clone, Default, PartialEq, Serialize, Deserialize)]
#[serde(default, deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct GaugeRequest {
    /// Wires owned, as measured.
    pub wires_mm: Option<Vec<f64>>,
    /// Whether the lead angle is corrected for.
    pub lead_correction: Option<LeadCorrection>,
    /// How the size is to be proven.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub proof: Option<Proof>,
    /// Whether the mate is at hand to be tried on.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub mate_at_hand: Option<bool>,
    /// What the mate carries ahead of its thread, the end that goes on first: a nut's counterbore, a screw's nose; 0 for nothing.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub mate_ahead_mm: Option<f64>,
    /// Whether it hangs on the tailstock's side of the work meanwhile, so that it is tried without taking the work out.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub mate_hung: Option<bool>,
    /// Whether it is the spindle's own nose: the chuck comes off with the work in it and is tried on it.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub mate_is_nose: Option<bool>,
    /// How far it must go on; all of the thread when absent.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub mate_goes_on_mm: Option<f64>,
    /// The part this one is made to match, measured the way this one will be.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub original: Option<OriginalRequest>,
    /// How much of a cut springs away, as learned on this lathe in this material.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub spring: Option<SpringRequest>,
}

/// A spring learned, to begin this job's estimate from.
#[derive(Debug, Clone, Copy, Default, PartialEq, Serialize, Deserialize)]
#[serde(default, deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct SpringRequest {
    /// Share of a cut that springs away, 0 to 0.6.
    pub share: f64,
    /// Give or take: two standard deviations.
    pub doubt: f64,
}

/// How a size is proven.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Proof {
    /// By the first of these that can be done with the part as held.
    #[default]
    Auto,
    /// Three wires under a micrometer.
    Wires,
    /// A thread micrometer.
    ThreadMicrometer,
    /// The mate, tried on.
    Mate,
    /// A plug (or ring) turned first, to the limits.
    Plug,
    /// A test piece, cut and proven first; its last dial setting repeated.
    TestPiece,
}

/// Whether the over-wires size is corrected for the lead angle.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum LeadCorrection {
    /// The simple formula.
    None,
    /// The first-order correction.
    Approximate,
    /// The exact seat of a straight wire between helical flanks.
    Exact,
    /// The habit of the trade, none for a single start at 60°, 55° and 47½°, else approximate; exact where that habit would be out by
    /// more than a careful reading's doubt.
    Auto,
}
