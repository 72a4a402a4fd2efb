//! Rescuing the part: what to do, step by step, in this job's own settings.

use super::known::JobEvidence;
use serde::Serialize;

/// A way to rescue the part.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Rescue {
    /// Pick up the thread.
    PickUp,
    /// Dress the crests.
    DressCrests,
    /// Clean the entrance.
    CleanEntrance,
    /// Out of the chuck and back.
    OutAndBack,
    /// Begin again, from the first step that is lost.
    Remake,
}

/// One, in words.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct RescueView {
    /// Which.
    pub rescue: Rescue,
    /// As it is said.
    pub says: &'static str,
    /// Its steps.
    pub steps: Vec<String>,
}

impl Rescue {
    pub(super) const ALL: [Self; 5] = [Self::PickUp, Self::DressCrests, Self::CleanEntrance, Self::OutAndBack, Self::Remake];

    pub(super) fn said(self, k: &JobEvidence) -> RescueView {
        let (says, steps) = match self {
            Self::PickUp => ("Pick up the thread", pick_up(k)),
            Self::DressCrests => ("Dress the crests", dress_crests(k)),
            Self::CleanEntrance => ("Clean the entrance", clean_entrance(k)),
            Self::OutAndBack => ("Out of the chuck, and back", out_and_back(k)),
            Self::Remake => ("Begin again", remake(k)),
        };
        RescueView { rescue: self, says, steps }
    }
}

fn pick_up(k: &JobEvidence) -> Vec<String> {
    let plan = &k.plan.run;
    let mut steps = k.run.filter(|r| r.begun).map_or_else(|| plan.pick_up.clone(), |run| plan.way_back(run.stands_mm));
    steps.push("A pass with the tool just clear, hand on the lever, to see that it follows the groove; only then one at that depth.".into());
    steps
}

fn dress_crests(k: &JobEvidence) -> Vec<String> {
    let blank = &k.plan.blank;
    let mut steps = if k.screw() {
        vec![
            format!("Read over the crests: {} to {} is wanted.", blank.min_mm.text, blank.max_mm.text),
            "Over that: a light turning cut at the speed it was turned at, the threading tool out of the way. Within it: a fine file, left-handed, clear of the chuck, laid flat across the crests.".to_owned(),
        ]
    } else {
        vec![
            format!("Put the boring bar back and wind it to the reading noted when the bore was finished ({} across).", blank.used_mm.text),
            "One pass there, no deeper: it takes off what the threading raised, and nothing else.".to_owned(),
        ]
    };
    steps.push("One threading pass at the depth the dial stands at, to clear what that pushed into the groove; brush it, wipe, and try again.".into());
    steps
}

fn clean_entrance(k: &JobEvidence) -> Vec<String> {
    vec![
        format!("Chamfer to {}: a tool at 45°, not a file held by hand at the spinning edge.", k.plan.blank.chamfer_mm.text),
        "Take back the first half turn, where the thread is a feather, with a small three-square file, the spindle stopped.".into(),
        "Bring up the same on the mate; blow and brush both out, wipe, and start it by hand, turning backward till it drops.".into(),
    ]
}

fn out_and_back(k: &JobEvidence) -> Vec<String> {
    let voice = k.voice();
    let mut steps = vec![
        "Measure, or try the mate, first: once it is out the groove must be found again.".to_owned(),
        voice.fill("Mark the work against a jaw, or the dog against its slot; note both dials and the mark the {half-nut} closes on."),
        "Better, if the chuck comes off with the work still in it: take both off together.".to_owned(),
        format!("Back in: bring the swing under {} before anything else; half of it is too deep on one side.", voice.length(k.room() / 4.0)),
    ];
    steps.extend(pick_up(k));
    steps
}

fn remake(k: &JobEvidence) -> Vec<String> {
    let (lost, work) = if k.screw() { ("blank", "Turn") } else { ("bore", "Bore") };
    vec![
        format!("What is lost is the part: the gears hung, the {}, the tool set to height and square are not. Leave them.", k.voice().words().compound),
        format!("{work} a new {lost} to {}, end and chamfer with it, in one chucking.", k.plan.blank.aim_mm.text),
        "Touch, both dials to zero, a scratch, and check the pitch: those are the steps that tell.".into(),
        "Put right what spoilt this one before the first deep pass; measure two cuts sooner.".into(),
    ]
}
