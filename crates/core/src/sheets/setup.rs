//! The set-up as it is drawn and done: made from a finished plan on request.

use crate::job::{CarriageStop, Job, Lathe};
use crate::outline::Drawing;
use crate::plan::Pointed;
use crate::setup::speeds;
use crate::sheets::picture::picture;
use crate::sheets::schools::{height, square};
use crate::sheets::steps::{Step, steps};
use crate::sheets::{School, cautions};
use serde::Serialize;

/// Set-up: the picture, the speeds, the steps, the cautions.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct SetupSheet {
    /// From above.
    pub picture: Drawing,
    /// The whole chain of motion.
    pub motion: Drawing,
    /// The lathe's speeds against the limits; absent where the spindle is cranked.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub speeds: Option<Drawing>,
    /// The steps, in working order.
    pub steps: Vec<Step>,
    /// Ways of setting the tool to height.
    pub height: Vec<School>,
    /// Ways of setting it square.
    pub square: Vec<School>,
    /// Cautions of this set-up.
    pub cautions: Vec<String>,
}

/// Makes it.
#[must_use]
pub fn setup_sheet(plan: &Pointed<'_>, job: &Job, lathe: &Lathe) -> SetupSheet {
    let voice = job.voice;
    let ask = cautions::CautionQuery {
        chuck: lathe.chuck,
        carbide: job.bit.material.is_some_and(|m| m.code.contains("carbide")),
        out_of_balance: job.setup.balance_rpm.is_some(),
        fixed_stop: lathe.carriage_stop == CarriageStop::Fixed,
        material: job.blank.material.cautions.clone(),
    };
    SetupSheet {
        picture: picture(plan, job),
        motion: plan.setup.motion.drawing.clone(),
        speeds: speeds::drawing(plan.setup, plan.voice),
        steps: steps(plan, job, lathe),
        height: height(plan.thread.side, lathe.rear_post, voice),
        square: square(plan.thread.side, plan.thread.included_angle_deg, plan.voice),
        cautions: cautions::list(plan, &ask),
    }
}
