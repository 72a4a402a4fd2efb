//! Blank: what to turn or bore first, how it is held, and what the thread ends in.

pub(crate) mod at_hand;
pub(crate) mod beyond;
pub(crate) mod bore;
mod drawing;
pub mod drill;
pub(crate) mod end;
mod ending;
mod holding;
mod plain;
pub(crate) mod reach;
mod register;
pub(crate) mod relief;
pub mod rules;
pub(crate) mod size;
pub(crate) mod slender;
mod truth;
mod wall;

use crate::job::{BlankAim, EndKind, Holding};
use crate::kit::TriedView;
use crate::quantity::large_first;
use crate::say;
pub use at_hand::AtHand;
pub use beyond::Beyond;
pub use bore::Bore;
pub use ending::{EndingView, Mark};
pub use holding::HoldingView;
pub use plain::{PlainLine, PlainStands};
pub use register::Register;
pub use relief::Relief;
pub use slender::Slenderness;
pub use truth::{ParallelView, RunOutView};
pub use wall::RingWall;

use crate::bit::{self, Tip};
use crate::direction::Carriage;
use crate::job::{BlankFacts, Kit};
use crate::outline::Drawing;
use crate::thread::Side;
use crate::thread::form::Thread;
use crate::voice::Voice;
use crate::watch::{Code, Level, Watch};
use crate::working::{Num, Quantity, Worksheet};
use end::CutEnd;
use ending::EndingInputs;
use reach::Reach;
use serde::Serialize;
use size::Size;

/// Plain plugs for the bore.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Plug {
    /// It must enter: the least bore.
    pub go_mm: Quantity,
    /// It must not: the largest bore.
    pub not_go_mm: Quantity,
}

/// The blank or bore.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct BlankSection {
    /// Lower limit.
    pub min_mm: Quantity,
    /// Upper limit.
    pub max_mm: Quantity,
    /// What to aim at.
    pub aim_mm: Quantity,
    /// What is taken for the cut: as turned, else the aim.
    pub used_mm: Quantity,
    /// Whether it was measured.
    pub measured: bool,
    /// For an internal thread.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub bore: Option<Bore>,
    /// What the thread runs out into, or starts in.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub relief: Option<Relief>,
    /// What stands beyond the headstock end, where nothing is turned there for the bit.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub beyond: Option<Beyond>,
    /// Plain plugs to turn for the bore where nothing measures it: one that enters, one that does not.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub plug: Option<Plug>,
    /// How the thread may end, side by side.
    pub endings: Vec<EndingView>,
    /// The mark to work to where the end cannot be seen.
    pub mark: Mark,
    /// How slender a screw is, and what that asks for; reckoned when the cuts are.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub slenderness: Option<Slenderness>,
    /// Ways of holding it, side by side.
    pub holdings: Vec<HoldingView>,
    /// Why the one recommended is.
    pub holding_reason: String,
    /// What the run-out read does.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub run_out: Option<RunOutView>,
    /// What the parallel test shows.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub parallel: Option<ParallelView>,
    /// The wall round a bore, where the outside was told.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub wall: Option<RingWall>,
    /// The register at the mouth.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub register: Option<Register>,
    /// Plain dimensions of the part.
    #[serde(skip_serializing_if = "Vec::is_empty")]
    pub plain: Vec<PlainLine>,
    /// What of the bit stands ahead of its point, toward the headstock; absent in a bore where it was not told.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub body_ahead_mm: Option<Quantity>,
    /// Chamfer to this diameter.
    pub chamfer_mm: Quantity,
    /// Where one not told would go.
    #[serde(skip)]
    pub(crate) chamfer_wanted_mm: Quantity,
    /// What to turn, in one sentence.
    pub says: String,
    /// Full thread it leaves, mm.
    #[serde(skip)]
    pub(crate) usable_mm: f64,
    /// Width of the narrowest parting blade of the drawer that goes to its middle, mm.
    #[serde(skip)]
    pub parting_mm: Option<f64>,
    /// What it wants of the drawer, by name, and what is to be got.
    #[serde(skip_serializing_if = "Vec::is_empty")]
    pub at_hand: Vec<AtHand>,
    /// What was tried of a material nobody knows, and what that leaves.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub tried: Option<TriedView>,
    /// The blank to scale.
    pub drawing: Drawing,
}

impl BlankSection {
    /// The way of holding that is followed.
    #[must_use]
    pub fn held(&self) -> Option<&HoldingView> {
        self.holdings.iter().find(|h| h.chosen)
    }
}

/// What comes to the end of the thread.
#[derive(Clone, Copy)]
pub(crate) enum Comes<'a> {
    /// A bit, so far about its point, to stop or to start there.
    Bit(&'a Reach, CutEnd),
    /// A die or a tap.
    Chaser(ChaserEnd),
}

/// How a die's or a tap's thread ends, mm from the face.
#[derive(Debug, Clone, Copy)]
pub(crate) struct ChaserEnd {
    /// Full thread it leaves.
    pub full: f64,
    /// How far its front goes.
    pub front: f64,
    /// Of a blind hole, the depth to the full diameter, and to the drill's tip.
    pub hole: Option<[f64; 2]>,
    /// Angle of the bevel it starts on, degrees from the axis.
    pub bevel_deg: f64,
    /// The drill that cuts the hole to its size, with what it cuts, where one of the drawer does.
    pub drill: Option<(f64, f64)>,
}

/// What was settled before the blank is: the thread, the tip, its size, and what comes to its end.
pub(crate) struct Inputs<'a> {
    pub kit: &'a Kit,
    pub thread: &'a Thread,
    pub tip: &'a Tip,
    pub size: Size,
    pub comes: Comes<'a>,
    /// Whether this member is fitted to a mate, tried on as it is cut.
    pub tried: bool,
}

/// Works the blank.
pub(crate) fn reckon(sheet: &mut Worksheet, facts: &BlankFacts, before: &Inputs<'_>, watch: &mut Vec<Watch>) -> BlankSection {
    let voice = sheet.voice();
    let Inputs { kit, thread, tip, size, comes, .. } = *before;
    let (side, used, [low, high, aim]) = (thread.spec.side, size.used, [size.min, size.max, size.aim].map(|q| Quantity::length(voice, q)));
    let mut ended = match comes {
        Comes::Bit(reach, cut_end) => ended(sheet, facts, before, (reach, cut_end), watch),
        Comes::Chaser(end) => ended_by_chaser(facts, side, &end, voice),
    };
    watch.extend(test_piece(facts, thread, voice).into_iter().chain(material_says(facts, side, voice)));
    let (holdings, holding_reason) = holding::holdings(&holding::HoldingInputs { facts, thread, used, tried: before.tried }, watch, voice);
    let held = holdings.iter().find(|h| h.chosen).map_or(Holding::ThreeJaw, |h| h.holding);
    let register = facts.register.map(|asked| {
        // By the root this tip really leaves, at the far limit.
        let far = if side == Side::External { thread.own.pitch.0 } else { thread.own.pitch.1 };
        let root = bit::root(sheet, thread, far, tip.sharpest.0).value;
        register::reckon(sheet, asked, side, root, watch)
    });
    let [chamfer, wanted] = chamfer(sheet, facts, thread, before.tip, watch);
    let drawing = drawn(facts, thread, (used.value, chamfer), &mut ended, register.as_ref(), voice);
    let bore = match comes {
        _ if side == Side::External => None,
        Comes::Bit(..) => Some(bore::reckon(sheet, kit, thread, &size)),
        Comes::Chaser(end) => Some(bore::tapped(sheet, kit, thread, &size, &end)),
    };
    let Ended { relief, beyond, endings, mark, ahead, usable: usable_mm, .. } = ended;
    BlankSection {
        plug: (side == Side::Internal).then(|| Plug { go_mm: low.clone(), not_go_mm: high.clone() }),
        min_mm: low,
        max_mm: high,
        aim_mm: aim,
        used_mm: Quantity::length(voice, used),
        measured: facts.diameter_mm.is_some(),
        bore,
        relief,
        beyond,
        endings,
        mark,
        usable_mm,
        slenderness: None,
        holdings,
        holding_reason,
        run_out: truth::run_out(sheet, facts, held, thread, watch),
        parallel: truth::parallel(sheet, facts, thread, watch),
        wall: wall::reckon(sheet, facts, thread, (used, tip), held, watch),
        register,
        plain: plain::lines(&facts.plain, voice),
        body_ahead_mm: ahead,
        chamfer_mm: Quantity::about(voice, chamfer),
        chamfer_wanted_mm: Quantity::about(voice, wanted),
        says: says(&size, side, voice),
        at_hand: Vec::new(),
        parting_mm: kit.parting_mm(used.value / 2.0),
        tried: facts.tried.clone(),
        drawing,
    }
}

/// What the thread ends in.
struct Ended {
    followed: EndKind,
    relief: Option<Relief>,
    /// The same as it is drawn.
    gap: Option<drawing::Gap>,
    beyond: Option<Beyond>,
    endings: Vec<EndingView>,
    /// Full thread left, mm.
    usable: f64,
    mark: Mark,
    ahead: Option<Quantity>,
    hole: Option<[f64; 2]>,
    bevel_times: f64,
}

/// The blank drawn, of this diameter and chamfered to that.
fn drawn(facts: &BlankFacts, thread: &Thread, (used, chamfer): (f64, Num), ended: &mut Ended, register: Option<&Register>, voice: Voice) -> Drawing {
    let drawn = drawing::Drawn {
        thread,
        used,
        chamfer,
        followed: ended.followed,
        shoulder: facts.shoulder,
        relief: ended.gap.take(),
        usable: ended.usable,
        mark: &ended.mark,
        register,
        shoulder_mm: facts.shoulder_mm,
        bevel_times: ended.bevel_times,
        hole: ended.hole,
    };
    drawing::blank(&drawn, voice)
}

/// What it ends in where a bit comes to it.
fn ended(sheet: &mut Worksheet, facts: &BlankFacts, before: &Inputs<'_>, (reach, cut_end): (&Reach, CutEnd), watch: &mut Vec<Watch>) -> Ended {
    let voice = sheet.voice();
    let Inputs { kit, thread, tip, size, .. } = *before;
    let side = thread.spec.side;
    let carriage = if matches!(cut_end, CutEnd::StartsIn(_)) { Carriage::AwayFromHeadstock } else { Carriage::TowardHeadstock };
    let followed = end::ends_in(facts, side, carriage);
    let (runs_into, shoulder, usual) = (end::is_groove(followed), facts.shoulder, end::usual(facts.shoulder, side, carriage));
    let beyond = (!runs_into && facts.relief_width_mm.is_none()).then(|| beyond::reckon(sheet, facts, thread, reach, (followed, cut_end), watch));
    let ground = EndingInputs {
        thread,
        reach,
        cut_end,
        shoulder,
        followed,
        usual,
        width: facts.relief_width_mm,
        beyond: beyond.as_ref(),
        register: facts.register.map(|r| r.depth_mm),
    };
    let endings = ending::endings(sheet, &ground);
    watch.extend(starts_in_metal(followed, carriage, voice));
    watch.extend(ending::leaves_none(&endings, thread, voice));
    // A relief told of is there whatever was chosen.
    let turned = if runs_into { Some(followed) } else { facts.relief_width_mm.map(|_| EndKind::Relief) };
    let relief = turned.map(|end| relief::reckon(sheet, &relief::ReliefQuery { facts, kit, thread, tip, reach, used: size.used, cut_end }, end, watch));
    Ended {
        followed,
        gap: relief.as_ref().map(|r| gap(r, facts, reach, voice)),
        relief,
        usable: endings.iter().find(|e| e.chosen).map_or(thread.length, |e| e.usable_mm.value),
        mark: ending::mark(sheet, &ground),
        ahead: reach.ahead_known.then(|| Quantity::about(voice, reach.ahead)),
        beyond,
        endings,
        hole: None,
        bevel_times: 1.0,
    }
}

/// What it ends in where a die or a tap comes to it: its lead fades out, in the metal or in the relief that was told.
fn ended_by_chaser(facts: &BlankFacts, side: Side, end: &ChaserEnd, voice: Voice) -> Ended {
    let gap = facts.relief_width_mm.zip(facts.relief_diameter_mm).map(|(width, diameter)| drawing::Gap {
        diameter: Quantity::given(voice, diameter),
        width: Quantity::given(voice, width),
        corner: facts.relief_corner_mm.map(|v| Quantity::given(voice, v)),
        bottom: 0.0,
    });
    let says = if side == Side::External { say!(voice, "end-mark-of-die") } else { say!(voice, "end-mark-on-tap") };
    Ended {
        followed: if gap.is_some() { EndKind::Relief } else { EndKind::Withdraw },
        relief: None,
        gap,
        beyond: None,
        endings: Vec::new(),
        usable: end.full,
        mark: Mark { from_face_mm: Quantity::about(voice, end.front), says },
        ahead: None,
        hole: end.hole,
        bevel_times: 1.0 / end.bevel_deg.to_radians().tan(),
    }
}

/// What to turn or bore, in one sentence.
fn says(size: &Size, side: Side, voice: Voice) -> String {
    say!(
        voice,
        "blank-turn-to",
        side = if side == Side::External { "outside" } else { "inside" },
        aim = voice.length(size.aim.value),
        min = voice.figure(size.min.value),
        max = voice.figure(size.max.value)
    )
}

/// The relief as it is drawn: as told, else as wanted.
fn gap(r: &Relief, facts: &BlankFacts, reach: &Reach, voice: Voice) -> drawing::Gap {
    drawing::Gap {
        diameter: facts.relief_diameter_mm.map_or_else(|| r.diameter_mm.clone(), |v| Quantity::given(voice, v)),
        width: facts.relief_width_mm.map_or_else(|| r.width_mm.clone(), |v| Quantity::given(voice, v)),
        corner: r.corner_mm.as_ref().map(|c| facts.relief_corner_mm.map_or_else(|| c.clone(), |v| Quantity::given(voice, v))),
        bottom: reach.depth + relief::UNDER_TIP_MM,
    }
}

/// A thread that fades out cannot be begun there.
fn starts_in_metal(followed: EndKind, carriage: Carriage, voice: Voice) -> Option<Watch> {
    (followed == EndKind::Withdraw && carriage == Carriage::AwayFromHeadstock)
        .then(|| Watch::new(Level::Danger, Code::EndRoom, "blank", say!(voice, "blank-starts-in-metal")))
}

/// What is to be minded with the material: one kept no longer, one nobody knows, crests that rise.
fn material_says(facts: &BlankFacts, side: Side, voice: Voice) -> Vec<Watch> {
    let material = &facts.material;
    let gone = facts.material_gone.then(|| Watch::new(Level::Warn, Code::Material, "blank", say!(voice, "material-own-gone")));
    // Planned for with care, it stops nothing.
    let unknown = || facts.tried.as_ref().map(|tried| Watch::new(Level::Note, Code::Material, "blank", tried.says.clone()));
    // Turned low already, there is room for them.
    let rise = (material.crests_rise && side == Side::External && facts.aim != BlankAim::Low)
        .then(|| Watch::new(Level::Note, Code::Material, "blank", say!(voice, "material-crests-rise", material = large_first(&material.name))));
    gone.or_else(unknown).into_iter().chain(rise).collect()
}

/// Bores under this are blind to eye and instrument alike, mm. House value.
const UNSEEN_BORE_MM: f64 = 50.0;

/// A test piece, where a spoilt thread cannot be seen coming or would cost work already in the part.
fn test_piece(facts: &BlankFacts, thread: &Thread, voice: Voice) -> Option<Watch> {
    let blind = thread.spec.side == Side::Internal && facts.shoulder && thread.basic.minor.value < UNSEEN_BORE_MM;
    let text = if blind {
        say!(voice, "blank-test-piece-blind")
    } else if facts.other_thread_finished || facts.runs_true {
        say!(voice, "blank-test-piece-finished")
    } else {
        return None;
    };
    Some(Watch::new(Level::Note, Code::TestPiece, "blank", text))
}

/// The chamfer: as told, else to just past the root. One that stops short leaves a feather of thread.
fn chamfer(sheet: &mut Worksheet, facts: &BlankFacts, thread: &Thread, tip: &Tip, watch: &mut Vec<Watch>) -> [Num; 2] {
    let voice = sheet.voice();
    let external = thread.spec.side == Side::External;
    let right = if external {
        sheet.apply(&rules::CHAMFER_EXTERNAL, [thread.own.pitch.0, tip.sharpest.0])
    } else {
        sheet.apply(&rules::CHAMFER_INTERNAL, [thread.own.pitch.1, tip.sharpest.0])
    };
    let Some(told) = facts.chamfer_mm else { return [right; 2] };
    let short = if external { told > right.value + 0.1 } else { told < right.value - 0.1 };
    if short {
        let text = say!(voice, "blank-chamfer-short", told = voice.about(told), right = voice.about(right.value));
        watch.push(Watch::new(Level::Warn, Code::Chamfer, "blank", text));
    }
    [told.into(), right]
}
