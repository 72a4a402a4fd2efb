//! Holding: the ways compared for this job.

use crate::job::{BlankFacts, Holding};
use crate::thread::Side;
use crate::thread::form::Thread;
use crate::voice::Voice;
use crate::watch::{Code, Level, Watch};
use crate::working::{Num, Quantity};
use serde::Serialize;

impl Holding {
    const ALL: [Self; 7] = [Self::ThreeJaw, Self::FourJaw, Self::Collet, Self::Centres, Self::Arbor, Self::Faceplate, Self::ByItsThread];

    /// As it is said.
    #[must_use]
    pub fn says(self, voice: Voice) -> String {
        voice.fill(match self {
            Self::ThreeJaw => "in the three-jaw chuck",
            Self::FourJaw => "in the four-jaw chuck",
            Self::Collet => "in a collet",
            Self::Centres => "between {center}s, with a dog",
            Self::Arbor => "on an arbor between {center}s",
            Self::Faceplate => "on the faceplate",
            Self::ByItsThread => "by its finished thread, in a split nut or tapped bush",
        })
    }

    /// How far off centre it may hold the work again after it was out, mm. House values; a worn chuck is worse.
    const fn again_mm(self) -> f64 {
        match self {
            Self::ThreeJaw => 0.08,
            Self::FourJaw | Self::Faceplate => 0.01,
            Self::Collet => 0.02,
            Self::Centres => 0.005,
            Self::Arbor => 0.015,
            Self::ByItsThread => 0.05,
        }
    }

    /// What it is like, and what happens when the work comes off for a trial and goes back.
    const fn nature(self) -> (&'static str, &'static str) {
        match self {
            Self::ThreeJaw => (
                "quick; finish everything that must run true in one chucking",
                "does not come back true: take the chuck off with the work in it, its place on the nose marked",
            ),
            Self::FourJaw => {
                ("clocked true to whatever must be concentric; takes odd shapes", "must be clocked again: or take the chuck off with the work in it")
            }
            Self::Collet => ("round bright stock of the collet's own size; does not mark it", "comes back nearly true; feel it home against a stop"),
            Self::Centres => (
                "true end for end; wants a {center} hole in each end, and room for the dog",
                "comes off and goes back as it was: mark the dog's slot and put its tail in the same one",
            ),
            Self::Arbor => ("true to a finished bore; a light grip, so light cuts", "comes off on its arbor and goes back as it was, the dog's slot marked"),
            Self::Faceplate => (
                "large or odd work, clocked true; balance it and run slowly, clamps clear of the {bit}",
                "must be clocked again: take the plate off with the work on it",
            ),
            Self::ByItsThread => {
                ("bare jaws would crush the crests; true to its own thread only", "screws back to the same place if it seats on a face; mark it")
            }
        }
    }

    /// Why it does not serve here, if it does not.
    fn does_not_serve(self, work: &HoldingInputs<'_>, voice: Voice) -> Option<String> {
        let internal = work.thread.spec.side == Side::Internal;
        match self {
            Self::Centres | Self::Arbor if internal => Some(voice.fill("a bore cannot be reached between {center}s")),
            Self::Collet if work.used.value > COLLET_MM => Some(format!("most collets end at {}", voice.nominal(COLLET_MM))),
            Self::Faceplate if !internal && work.ratio > 1.0 => Some("a long screw overhangs a faceplate too far".into()),
            Self::ByItsThread if !work.facts.other_thread_finished => Some("no other thread of this part is finished".into()),
            _ => None,
        }
    }
}

/// One way of holding and what comes of it here.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct HoldingView {
    /// Which.
    pub holding: Holding,
    /// As it is said.
    pub says: String,
    /// How far off centre it may be when the work was out and is put back.
    pub again_mm: Quantity,
    /// What it is like, what coming off for a trial means and how true it comes back; of one that does not serve, only why.
    pub consequence: String,
    /// Whether it serves here.
    pub serves: bool,
    /// Whether it is the one followed.
    pub chosen: bool,
    /// Whether it is the one recommended.
    pub recommended: bool,
}

/// Largest work held in a collet, mm. House value: what common sets reach.
const COLLET_MM: f64 = 26.0;

/// What holding is judged on.
pub(super) struct HoldingInputs<'a> {
    pub facts: &'a BlankFacts,
    pub thread: &'a Thread,
    pub used: Num,
    /// Stick-out over diameter.
    pub ratio: f64,
    /// Whether this member is fitted to a mate, tried on as it is cut.
    pub tried: bool,
}

/// The way recommended, and why.
fn recommend(work: &HoldingInputs<'_>) -> (Holding, &'static str) {
    let external = work.thread.spec.side == Side::External;
    if work.facts.other_thread_finished {
        (Holding::ByItsThread, "the part has a finished thread, which bare jaws would crush")
    } else if external && work.facts.runs_true && work.ratio > 3.0 {
        (Holding::Centres, "it must run true and it is slender")
    } else if work.facts.runs_true {
        (Holding::FourJaw, "it must run true to what is finished already")
    } else if external && work.tried && work.ratio > 1.0 {
        (Holding::Centres, "it comes off to be tried in its mate and goes back as it was")
    } else {
        (Holding::ThreeJaw, "nothing finished before must run true to it, so one chucking serves")
    }
}

/// Every way side by side; a chosen one that does not serve is warned of.
pub(super) fn holdings(work: &HoldingInputs<'_>, watch: &mut Vec<Watch>, voice: Voice) -> (Vec<HoldingView>, &'static str) {
    let (recommended, reason) = recommend(work);
    let chosen = work.facts.holding.unwrap_or(recommended);
    if let Some(why) = chosen.does_not_serve(work, voice) {
        watch.push(Watch::new(Level::Warn, Code::Holding, "blank", format!("Held {}: {why}.", chosen.says(voice))));
    }
    let said = Holding::ALL
        .map(|holding| {
            let (like, back) = holding.nature();
            let (like, back) = (voice.fill(like), voice.fill(back));
            let refused = holding.does_not_serve(work, voice);
            HoldingView {
                holding,
                says: holding.says(voice),
                again_mm: Quantity::length(voice, holding.again_mm()),
                serves: refused.is_none(),
                consequence: refused.unwrap_or_else(|| format!("{like}; {back}; put back, within {} of true", voice.length(holding.again_mm()))),
                chosen: holding == chosen,
                recommended: holding == recommended,
            }
        })
        .to_vec();
    (said, reason)
}
