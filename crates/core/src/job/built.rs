//! What is asked of a job held against how its lathe is built: nothing is planned with what it has not.

use super::choices::{Ending, Style};
use super::lathe::Lathe;
use super::request::PlanRequest;
use crate::faults::Checker;
use crate::sentence;

/// Refuses what this lathe has not: a nut to open, a speed to set, a compound to carry depth.
pub(super) fn check(request: &PlanRequest, lathe: &Lathe, c: &mut Checker) {
    let ending = request.setup.ending.unwrap_or(Ending::Auto);
    if lathe.cranked() && !matches!(ending, Ending::Auto | Ending::Hand) {
        c.fault("/setup/ending", sentence!("fact-cranked-ends-by-hand", lathe = lathe.name));
    } else if !lathe.half_nut() && !matches!(ending, Ending::Auto | Ending::Hand | Ending::Closed) {
        c.fault("/setup/ending", sentence!("fact-no-nut-to-open", lathe = lathe.name));
    }
    if lathe.cranked() {
        let told = [
            ("spindle_rpm", request.setup.spindle_rpm),
            ("balance_rpm", request.setup.balance_rpm),
            ("comfort_rpm", request.setup.comfort_rpm),
            ("reaction_s", request.setup.reaction_s),
        ];
        for (field, _) in told.iter().filter(|(_, told)| told.is_some()) {
            c.fault(format!("/setup/{field}"), sentence!("fact-cranked-no-speed", lathe = lathe.name));
        }
    }
    let on_the_compound = request.cut.style.is_some_and(|s| s.slants() || s == Style::Alternating);
    if !lathe.compound_feeds && (on_the_compound || request.cut.compound_angle_deg.is_some()) {
        let field = if on_the_compound { "style" } else { "compound_angle_deg" };
        c.fault(format!("/cut/{field}"), sentence!("fact-compound-carries-no-depth", lathe = lathe.name));
    }
}
