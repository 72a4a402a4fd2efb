//! Holding: the ways compared for this job.

use crate::job::{BlankFacts, Holding};
use crate::say;
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
        let [says, ..] = self.sentences();
        say!(voice, says)
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

    /// Its sentences: as it is said; what it is like, and what happens when the work comes off for a trial and goes back.
    const fn sentences(self) -> [&'static str; 2] {
        match self {
            Self::ThreeJaw => ["held-three-jaw", "held-three-jaw-is"],
            Self::FourJaw => ["held-four-jaw", "held-four-jaw-is"],
            Self::Collet => ["held-collet", "held-collet-is"],
            Self::Centres => ["held-centers", "held-centers-is"],
            Self::Arbor => ["held-arbor", "held-arbor-is"],
            Self::Faceplate => ["held-faceplate", "held-faceplate-is"],
            Self::ByItsThread => ["held-by-thread", "held-by-thread-is"],
        }
    }

    /// Why it does not serve here, if it does not.
    fn does_not_serve(self, work: &HoldingInputs<'_>, voice: Voice) -> Option<String> {
        let internal = work.thread.spec.side == Side::Internal;
        match self {
            Self::Centres | Self::Arbor if internal => Some(say!(voice, "held-not-a-bore")),
            Self::Collet if work.used.value > COLLET_MM => Some(say!(voice, "held-collets-end", at = voice.nominal(COLLET_MM))),
            Self::Faceplate if !internal && work.ratio() > 1.0 => Some(say!(voice, "held-overhangs")),
            Self::ByItsThread if !work.facts.other_thread_finished => Some(say!(voice, "held-no-other-thread")),
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
    /// Whether this member is fitted to a mate, tried on as it is cut.
    pub tried: bool,
}

impl HoldingInputs<'_> {
    /// Stick-out over diameter.
    fn ratio(&self) -> f64 {
        self.facts.stick_out_mm.unwrap_or(self.thread.length) / self.used.value
    }
}

/// The way recommended, and why.
fn recommend(work: &HoldingInputs<'_>) -> (Holding, &'static str) {
    let external = work.thread.spec.side == Side::External;
    if work.facts.other_thread_finished {
        (Holding::ByItsThread, "held-for-its-thread")
    } else if external && work.facts.runs_true && work.ratio() > 3.0 {
        (Holding::Centres, "held-for-slender")
    } else if work.facts.runs_true {
        (Holding::FourJaw, "held-for-true")
    } else if external && work.tried && work.ratio() > 1.0 {
        (Holding::Centres, "held-for-trial")
    } else {
        (Holding::ThreeJaw, "held-for-one-chucking")
    }
}

/// Every way side by side; a chosen one that does not serve is warned of.
pub(super) fn holdings(work: &HoldingInputs<'_>, watch: &mut Vec<Watch>, voice: Voice) -> (Vec<HoldingView>, String) {
    let (recommended, reason) = recommend(work);
    let chosen = work.facts.holding.unwrap_or(recommended);
    if let Some(why) = chosen.does_not_serve(work, voice) {
        watch.push(Watch::new(Level::Warn, Code::Holding, "blank", say!(voice, "held-but", held = chosen.says(voice), why = why)));
    }
    let said = Holding::ALL
        .map(|holding| {
            let [_, nature] = holding.sentences();
            let refused = holding.does_not_serve(work, voice);
            HoldingView {
                holding,
                says: holding.says(voice),
                again_mm: Quantity::length(voice, holding.again_mm()),
                serves: refused.is_none(),
                consequence: refused.unwrap_or_else(|| say!(voice, nature, again = voice.length(holding.again_mm()))),
                chosen: holding == chosen,
                recommended: holding == recommended,
            }
        })
        .to_vec();
    (said, say!(voice, reason))
}
