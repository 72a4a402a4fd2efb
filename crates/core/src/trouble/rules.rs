//! The rules: from what is wrong to what may be behind it. Each is data: the symptoms it answers to with how common it is under each
//! (1 the commonest; what is asked before all others 0), what would settle it, and what cures it; its evidence is one function over the job's own numbers.

use super::evidence::{self as e, Evidence};
use super::known::JobEvidence;
use super::rescue::Rescue::{self, CleanEntrance, DressCrests, OutAndBack, PickUp, Remake};
use crate::run::Symptom::{self, *};

/// One rule.
pub struct Rule {
    /// Stable code.
    pub code: &'static str,
    /// Symptoms it may be behind, with how common it is there.
    pub of: &'static [(Symptom, u8)],
    /// What this job's numbers say of it.
    pub(super) evidence: fn(&JobEvidence) -> Evidence,
    /// Ways of rescuing the part that go with it.
    pub rescues: &'static [Rescue],
}

/// All of them; their sentences stand in their file by their codes.
#[rustfmt::skip]
pub static RULES: &[Rule] = &[
    Rule { code: "held_off", of: &[(WontStart, 0), (Binds, 0), (WiresYesNutNo, 0), (NothingMeasures, 0)], evidence: e::held_off, rescues: &[] },
    Rule { code: "metal_left", of: &[(WontStart, 1), (NothingMeasures, 1), (Binds, 3)], evidence: e::metal_left, rescues: &[] },
    Rule { code: "burr", of: &[(WontStart, 2), (Binds, 2), (WiresYesNutNo, 1), (NothingMeasures, 2)], evidence: e::burr, rescues: &[DressCrests, CleanEntrance] },
    Rule { code: "crests", of: &[(WontStart, 3), (WiresYesNutNo, 2), (NothingMeasures, 3), (Binds, 4)], evidence: e::crests, rescues: &[DressCrests] },
    Rule { code: "flank_angle", of: &[(WiresYesNutNo, 3), (Loose, 4), (NothingMeasures, 5), (WontStart, 6)], evidence: e::flank_angle, rescues: &[PickUp] },
    Rule { code: "lead_error", of: &[(Binds, 1), (WiresYesNutNo, 4), (WrongPitch, 3), (WontStart, 7)], evidence: e::lead_error, rescues: &[PickUp] },
    Rule { code: "root_shallow", of: &[(WiresYesNutNo, 5), (WontStart, 5), (Binds, 5), (NothingMeasures, 6)], evidence: e::root_shallow, rescues: &[PickUp] },
    Rule { code: "entrance", of: &[(WontStart, 4), (Crooked, 1), (WiresYesNutNo, 6), (NothingMeasures, 4)], evidence: e::entrance, rescues: &[CleanEntrance] },
    Rule { code: "wrong_hand", of: &[(WrongHand, 1), (WontStart, 9)], evidence: e::wrong_hand, rescues: &[Remake] },
    Rule { code: "other_mate", of: &[(Loose, 2), (WontStart, 8), (WiresYesNutNo, 7), (NothingMeasures, 7)], evidence: e::other_mate, rescues: &[] },
    Rule { code: "past_limit", of: &[(Loose, 1)], evidence: e::past_limit, rescues: &[Remake] },
    Rule { code: "off_centre", of: &[(Torn, 4), (Chatter, 5), (Loose, 6)], evidence: e::off_centre, rescues: &[PickUp] },
    Rule { code: "rubs", of: &[(Torn, 1), (Chatter, 3)], evidence: e::rubs, rescues: &[PickUp] },
    Rule { code: "dull", of: &[(Torn, 2), (Chatter, 4), (Tapered, 5)], evidence: e::dull, rescues: &[PickUp] },
    Rule { code: "too_fast", of: &[(Torn, 3), (Chatter, 2), (RanIn, 2)], evidence: e::too_fast, rescues: &[] },
    Rule { code: "both_flanks", of: &[(Torn, 5), (Chatter, 6)], evidence: e::both_flanks, rescues: &[] },
    Rule { code: "lean", of: &[(Loose, 3), (Torn, 6)], evidence: e::lean, rescues: &[PickUp] },
    Rule { code: "slender", of: &[(Chatter, 1), (Tapered, 3)], evidence: e::slender, rescues: &[] },
    Rule { code: "tailstock", of: &[(Tapered, 1)], evidence: e::tailstock, rescues: &[PickUp] },
    Rule { code: "bends", of: &[(Tapered, 2)], evidence: e::bends, rescues: &[] },
    Rule { code: "spring", of: &[(Tapered, 4), (WontStart, 10), (Binds, 8)], evidence: e::spring, rescues: &[] },
    Rule { code: "wrong_mark", of: &[(DoubleGroove, 1), (NutOpened, 3)], evidence: e::wrong_mark, rescues: &[PickUp, Remake] },
    Rule { code: "dial_drift", of: &[(DoubleGroove, 2)], evidence: e::dial_drift, rescues: &[PickUp] },
    Rule { code: "play", of: &[(DoubleGroove, 3), (NutOpened, 4)], evidence: e::play, rescues: &[PickUp] },
    Rule { code: "starts", of: &[(DoubleGroove, 4), (WrongPitch, 4)], evidence: e::starts, rescues: &[PickUp] },
    Rule { code: "rechucked", of: &[(DoubleGroove, 5), (Crooked, 3), (Slipped, 2), (Loose, 7)], evidence: e::rechucked, rescues: &[OutAndBack, PickUp] },
    Rule { code: "gears_on", of: &[(WrongPitch, 1)], evidence: e::gears_on, rescues: &[] },
    Rule { code: "misfit", of: &[(WrongPitch, 2)], evidence: e::misfit, rescues: &[Remake] },
    Rule { code: "first_thread", of: &[(Crooked, 2), (WontStart, 11)], evidence: e::first_thread, rescues: &[CleanEntrance] },
    Rule { code: "round", of: &[(Binds, 6), (Loose, 5), (Crooked, 4)], evidence: e::round, rescues: &[] },
    Rule { code: "packed", of: &[(Binds, 7), (RanIn, 4)], evidence: e::packed, rescues: &[] },
    Rule { code: "stops_late", of: &[(RanIn, 1), (TipBroken, 2)], evidence: e::stops_late, rescues: &[PickUp, Remake] },
    Rule { code: "relief", of: &[(RanIn, 3), (TipBroken, 3), (Torn, 7)], evidence: e::relief, rescues: &[PickUp] },
    Rule { code: "grip", of: &[(Slipped, 1), (Chatter, 7)], evidence: e::grip, rescues: &[OutAndBack, PickUp] },
    Rule { code: "unscrews", of: &[(Slipped, 3)], evidence: e::unscrews, rescues: &[PickUp] },
    Rule { code: "too_deep", of: &[(TipBroken, 1), (Slipped, 4), (Chatter, 8)], evidence: e::too_deep, rescues: &[PickUp] },
    Rule { code: "reversed", of: &[(TipBroken, 4)], evidence: e::reversed, rescues: &[PickUp] },
    Rule { code: "weak_tip", of: &[(TipBroken, 5), (Torn, 8)], evidence: e::weak_tip, rescues: &[PickUp] },
    Rule { code: "broke", of: &[(TipBroken, 6), (Torn, 9)], evidence: e::broke, rescues: &[PickUp] },
    Rule { code: "opened", of: &[(NutOpened, 1)], evidence: e::opened, rescues: &[PickUp] },
    Rule { code: "wrong_wires", of: &[(WiresYesNutNo, 8), (Loose, 8)], evidence: e::wrong_wires, rescues: &[] },
    Rule { code: "no_proof", of: &[(NothingMeasures, 8)], evidence: e::no_proof, rescues: &[] },
];

impl Rule {
    /// Names of its sentences: what is behind it, what would settle it, the cure.
    #[must_use]
    pub fn sentences(&self) -> [String; 3] {
        let code = self.code.replace('_', "-");
        ["", "-settles", "-cure"].map(|of| format!("cause-{code}{of}"))
    }
}

/// The rules that answer to a symptom, the commonest first.
pub fn of(symptom: Symptom) -> impl Iterator<Item = (&'static Rule, u8)> {
    let mut list: Vec<_> = RULES.iter().filter_map(|r| r.of.iter().find(|(s, _)| *s == symptom).map(|(_, order)| (r, *order))).collect();
    list.sort_by_key(|(_, order)| *order);
    list.into_iter()
}
