//! Judgements and cautions: data with a stable code, in order of weight.

use serde::Serialize;

/// How much it matters.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Serialize)]
#[serde(rename_all = "lowercase")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Level {
    /// Someone or the part will be hurt.
    Danger,
    /// The thread may be spoilt.
    Warn,
    /// Worth knowing.
    Note,
}

/// Declares the codes: each a variant with its stable name.
macro_rules! codes {
    ($($(#[$doc:meta])* $variant:ident = $name:literal,)*) => {
        /// What a judgement is about. The names are stable: browsers and files in the field hold them.
        #[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Hash, Serialize)]
        #[serde(rename_all = "snake_case")]
        #[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
        pub enum Code {
            $($(#[$doc])* $variant,)*
        }

        impl Code {
            /// Every one.
            pub const ALL: &[Self] = &[$(Self::$variant),*];

            /// Its stable name.
            #[must_use]
            pub const fn name(self) -> &'static str {
                match self {
                    $(Self::$variant => $name,)*
                }
            }
        }
    };
}

codes! {
    /// Something that changes the answer was assumed.
    AssumedDefault = "assumed_default",
    /// The bar does not suit the bore.
    BarUnfit = "bar_unfit",
    /// The bit is of another angle.
    BitAngle = "bit_angle",
    /// The blank is outside its limits.
    BlankSize = "blank_size",
    /// The bore is outside its limits.
    BoreLimits = "bore_limits",
    /// The chamfer does not reach under the root.
    Chamfer = "chamfer",
    /// A screwed chuck may come off.
    ChuckUnscrews = "chuck_unscrews",
    /// The compound leans past the flank.
    CompoundAngle = "compound_angle",
    /// The compound does not swing so far.
    CompoundSwing = "compound_swing",
    /// The compound has not the travel.
    CompoundTravel = "compound_travel",
    /// Marks drift with an approximate train.
    DialDrift = "dial_drift",
    /// The dial cannot find the groove again.
    DialUnsafe = "dial_unsafe",
    /// The mate engages long.
    EngagementLong = "engagement_long",
    /// The mate engages short.
    EngagementShort = "engagement_short",
    /// The torque of a die or a tap is more than hands or jaws bear.
    Twist = "twist",
    /// A die or a tap under power, where it must not be.
    PowerChaser = "power_chaser",
    /// A die finishes it: what is left for it.
    DieFinish = "die_finish",
    /// The material: one nobody knows, one kept no longer, crests that rise.
    Material = "material",
    /// The wall round a bore is thin.
    WallThin = "wall_thin",
    /// The passes told are too few, or too fine.
    Passes = "passes",
    /// Another version of the reckoning froze the plan.
    OtherEngine = "other_engine",
    /// What stands beyond the end of the thread leaves too little room.
    EndRoom = "end_room",
    /// The usual caution of a first pass.
    FirstPass = "first_pass",
    /// A fixed stop does not open the half-nut.
    FixedStop = "fixed_stop",
    /// A flank of the bit rubs.
    FlankRubs = "flank_rubs",
    /// The form wants a radius.
    FormRadius = "form_radius",
    /// Guards and isolation.
    Guards = "guards",
    /// The holding does not suit.
    Holding = "holding",
    /// The indicator has not the travel.
    IndicatorTravel = "indicator_travel",
    /// The lead is out by more than is harmless.
    LeadError = "lead_error",
    /// A mate in limits will be tight.
    MateTight = "mate_tight",
    /// What is stored holds fields of a newer version.
    NewerFields = "newer_fields",
    /// As it ends, no full thread is left.
    NoThread = "no_thread",
    /// A field overrides the callout.
    Override = "override",
    /// The order of the pair.
    PairOrder = "pair_order",
    /// A member keeps its own limits.
    PairOwn = "pair_own",
    /// What the readout cannot see.
    Readout = "readout",
    /// The bit would mark the register.
    RegisterMarked = "register_marked",
    /// The relief is too narrow.
    ReliefNarrow = "relief_narrow",
    /// The relief is too shallow.
    ReliefShallow = "relief_shallow",
    /// The root goes past its limit.
    RootPastMinor = "root_past_minor",
    /// The work runs out.
    Runout = "runout",
    /// A bar or the work stands out far.
    Stickout = "stickout",
    /// The carriage cannot be stopped in the room.
    Stopping = "stopping",
    /// The turned length tapers.
    Taper = "taper",
    /// The aim is outside the limits.
    TargetLimits = "target_limits",
    /// A test piece first.
    TestPiece = "test_piece",
    /// The tip should be round.
    TipNotRound = "tip_not_round",
    /// The tip is too wide.
    TipTooWide = "tip_too_wide",
    /// A tolerance is computed, not tabulated.
    ToleranceComputed = "tolerance_computed",
    /// Sizes are nominal.
    ToleranceNominal = "tolerance_nominal",
    /// The tool picked is worn, broken or gone.
    ToolGone = "tool_gone",
    /// The tool picked does not suit.
    ToolUnfit = "tool_unfit",
    /// The trailing side needs its relief looked at.
    TrailingRelief = "trailing_relief",
    /// The heel rubs, the bit standing off centre toward the work.
    HeelRubs = "heel_rubs",
    /// No train hangs.
    TrainUnfit = "train_unfit",
    /// A wire rests in two places.
    WireTwoSeats = "wire_two_seats",
    /// No wire serves.
    WireUnusable = "wire_unusable",
    /// The wrong hand would be cut.
    WrongHand = "wrong_hand",
}

impl std::fmt::Display for Code {
    fn fmt(&self, f: &mut std::fmt::Formatter<'_>) -> std::fmt::Result {
        f.write_str(self.name())
    }
}

/// One thing to watch.
#[derive(Debug, Clone, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Watch {
    /// How much it matters.
    pub level: Level,
    /// Stable code.
    pub code: Code,
    /// The station it belongs to.
    pub station: &'static str,
    /// What to do, then why.
    pub text: String,
}

impl Watch {
    /// A new one.
    #[must_use]
    pub const fn new(level: Level, code: Code, station: &'static str, text: String) -> Self {
        Self { level, code, station, text }
    }
}

/// Puts the weightiest first, keeping the order of the stations within a level.
pub fn order(watch: &mut Vec<Watch>) {
    watch.sort_by_key(|w| w.level);
    watch.dedup();
}

/// Share of the room left that an error may take before it is doubtful: past it, said; past all of it, it will bind. House value.
pub const DOUBTFUL_SHARE: f64 = 1.0 / 3.0;
