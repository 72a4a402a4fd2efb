//! Cautions that belong to this set-up and to no other.

use crate::direction::Spindle;
use crate::job::{Chuck, Ending, Holding, ReadBy};
use crate::kit::MaterialCaution;
use crate::plan::Pointed;
use crate::say;
use crate::thread::Side;

/// What a caution may hang on that the plan does not keep.
pub(super) struct CautionQuery {
    pub chuck: Chuck,
    pub carbide: bool,
    pub out_of_balance: bool,
    pub fixed_stop: bool,
    /// What is to be minded with the material.
    pub material: Vec<MaterialCaution>,
}

/// The cautions, weightiest first.
pub(super) fn list(plan: &Pointed<'_>, ask: &CautionQuery) -> Vec<String> {
    let setup = &plan.setup;
    let reversed = setup.spindle == Spindle::Reversed;
    let back = matches!(setup.ending, Ending::Closed | Ending::SameMark);
    let held = plan.blank.held().map(|h| h.holding);
    let internal = plan.thread.side == Side::Internal;
    let mut list: Vec<&str> = Vec::new();
    let mut when = |is: bool, id: &'static str| {
        if is {
            list.push(id);
        }
    };
    when(ask.chuck == Chuck::Screwed && (reversed || back), "caution-chuck-screws");
    when(plan.gears.hung.as_ref().is_some_and(|h| h.train.swaps > 0), "caution-change-gears");
    when(!matches!(held, Some(Holding::Centres | Holding::Arbor)), "caution-chuck-key");
    when(matches!(held, Some(Holding::Centres | Holding::Arbor)), "caution-dog");
    when(ask.out_of_balance || held == Some(Holding::Faceplate), "caution-out-of-balance");
    when(back && ask.fixed_stop, "caution-fixed-stop");
    when(back && ask.carbide, "caution-carbide");
    when(setup.ending == Ending::Hand, "caution-by-hand");
    when(internal, "caution-chips-of-bore");
    when(!internal, "caution-chips");
    when(plan.cut.read_by() == ReadBy::Indicator, "caution-indicator");
    for caution in &ask.material {
        when(true, caution.caution());
    }
    when(true, "caution-always");
    list.into_iter().map(|id| say!(plan.voice, id)).collect()
}
