//! Cautions that belong to this set-up and to no other.

use crate::direction::Spindle;
use crate::job::{Chuck, Ending, Holding, ReadBy};
use crate::plan::Plan;
use crate::thread::Side;

/// What a caution may hang on that the plan does not keep.
pub(super) struct CautionQuery {
    pub chuck: Chuck,
    pub carbide: bool,
    pub out_of_balance: bool,
    pub fixed_stop: bool,
}

/// The cautions, weightiest first.
pub(super) fn list(plan: &Plan, ask: &CautionQuery) -> Vec<String> {
    let setup = &plan.setup;
    let reversed = setup.spindle == Spindle::Reversed;
    let back = matches!(setup.ending, Ending::Closed | Ending::SameMark);
    let held = plan.blank.held().map(|h| h.holding);
    let internal = plan.thread.side == Side::Internal;
    let mut list: Vec<&str> = Vec::new();
    let mut when = |is: bool, says: &'static str| {
        if is {
            list.push(says);
        }
    };
    when(ask.chuck == Chuck::Screwed && (reversed || back), "The chuck screws on: in reverse it can unscrew and come off.");
    when(plan.gears.hung.as_ref().is_some_and(|h| h.train.swaps > 0), "Change gears with the machine isolated; guard back on before it runs.");
    when(!matches!(held, Some(Holding::Centres | Holding::Arbor)), "Chuck key out before the spindle starts.");
    when(matches!(held, Some(Holding::Centres | Holding::Arbor)), "A dog's tail catches sleeves: guard it, and keep clear of the driver plate.");
    when(ask.out_of_balance || held == Some(Holding::Faceplate), "Work out of balance: balance it, start at the slowest, and stand aside.");
    when(back && ask.fixed_stop, "A fixed stop with the {half-nut} closed breaks something: set it beyond where the carriage stops, or take it off.");
    when(back && ask.carbide, "Draw a carbide tip right out before the spindle reverses: backed through the cut it breaks.");
    when(setup.ending == Ending::Hand, "Spindle turned by hand: isolate the drive, and take the handle off before it is run again.");
    when(internal, "Chips of a bore come out by brush or hook with the spindle stopped, never by finger.");
    when(!internal, "Chips by brush or hook, never by hand: they come off in strings.");
    when(plan.cut.read_by() == ReadBy::Indicator, "Keep the indicator's stem clear of the chuck's reach.");
    when(true, "No gloves, sleeves or rings near the work. First pass slow, hand on the lever. {Half-nut} and feed never engaged together.");
    list.into_iter().map(|says| plan.voice.fill(says)).collect()
}
