//! What may be rehearsed of a job, and how each begins.

use super::scene::Scene;
use crate::gears::DialRule;
use crate::job::Ending;
use crate::plan::Pointed;
use crate::say;
use crate::voice::Voice;
use crate::watch::Code;
use serde::{Deserialize, Serialize};

/// One thing to rehearse.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Drill {
    /// Stop at the mark: the half-nut opened, the tool drawn out with it.
    StopOpen,
    /// Stop at the mark: the half-nut stays closed, the tool is drawn out and the spindle stopped.
    StopSpindle,
    /// Stop at the mark, the spindle turned by hand.
    StopHand,
    /// Close the half-nut on a mark of the dial, everything turning.
    CatchMark,
    /// The whole cycle with the half-nut closed: out, stop, back, stop, in.
    Cycle,
    /// The first pass, at the slowest speed there is.
    FirstPass,
    /// The whole cycle by the dial: open and out, the carriage wound back, in, closed again on a mark.
    OpenCycle,
    /// The cross-slide out and back to nought by its dial, the compound carrying the depth one step on.
    ToZero,
    /// The same thread cut away from the chuck, out of its relief: spindle reversed, tool inverted.
    Away,
}

/// What the hand does by one key.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum HandAct {
    /// The half-nut is opened and the tool drawn out.
    Open,
    /// The half-nut is pressed.
    Close,
    /// The tool is drawn out.
    Out,
    /// The tool is fed in to where it was.
    In,
    /// The tool is drawn out and the spindle stopped.
    OutAndStop,
    /// The spindle is stopped.
    Stop,
    /// The spindle is set going the other way.
    Back,
    /// The spindle is set going the way of the cut.
    Go,
    /// The carriage is wound back to the start.
    Wind,
    /// The cross-slide is wound on slowly.
    Slowly,
    /// It is held where it is.
    Hold,
    /// The compound is fed one step on.
    Deeper,
}

impl Drill {
    /// Its name in addresses and files.
    #[must_use]
    pub const fn word(self) -> &'static str {
        match self {
            Self::StopOpen => "stop_open",
            Self::StopSpindle => "stop_spindle",
            Self::StopHand => "stop_hand",
            Self::CatchMark => "catch_mark",
            Self::Cycle => "cycle",
            Self::FirstPass => "first_pass",
            Self::OpenCycle => "open_cycle",
            Self::ToZero => "to_zero",
            Self::Away => "away",
        }
    }

    /// What tries of it belong to: opening the half-nut, stopping the spindle and turning by hand are never pooled. Nothing of those that
    /// are no stop.
    #[must_use]
    pub const fn sample(self) -> Option<&'static str> {
        match self {
            Self::StopOpen => Some("open"),
            Self::StopSpindle => Some("spindle"),
            Self::StopHand => Some("hand"),
            // Slow, a hand has time it has not in the cut: it says nothing of its reaction.
            Self::FirstPass | Self::CatchMark | Self::Cycle | Self::OpenCycle | Self::ToZero | Self::Away => None,
        }
    }

    /// The stop that belongs to how passes end.
    #[must_use]
    pub const fn stopping(ending: Ending) -> Self {
        match ending {
            Ending::Closed | Ending::Auto => Self::StopSpindle,
            Ending::Hand => Self::StopHand,
            Ending::Dial | Ending::SameMark | Ending::ChalkMarks => Self::StopOpen,
        }
    }

    /// Those that suit a plan, the way it is followed first, none where no full thread is left; whether it may be cut away from the chuck too is told.
    #[must_use]
    pub fn of(plan: &Pointed<'_>, scene: &Scene, [reverses, away]: [bool; 2]) -> Vec<Self> {
        // The mark would stand before the work: there is nothing to stop at.
        if plan.watch.iter().any(|w| w.code == Code::NoThread) {
            return Vec::new();
        }
        let ending = plan.setup.ending;
        // Where opening it loses the thread, opening it is not to become a habit.
        let may_open = matches!(ending, Ending::Dial | Ending::SameMark | Ending::ChalkMarks) || plan.gears.dial.rule != DialRule::KeepClosed;
        let powered = plan.setup.speed_rpm.is_some();
        let opens = scene.half_nut && powered && may_open;
        let marked = matches!(plan.gears.dial.rule, DialRule::EveryMark | DialRule::Marks) || ending == Ending::SameMark;
        let by_marks = opens && marked && scene.machine.dial.is_some();
        let back_and_forth = powered && reverses && (ending == Ending::Closed || !scene.half_nut);
        let mut all = vec![Self::stopping(ending)];
        let suits = [
            (Self::FirstPass, powered),
            (Self::CatchMark, by_marks),
            (Self::OpenCycle, by_marks && !scene.withdraws),
            (Self::Cycle, back_and_forth),
            (Self::ToZero, powered && plan.cut.style.slants() && scene.settings.len() > 1),
            (Self::Away, away),
            // The other way of stopping may be wanted on this lathe too.
            (Self::StopOpen, opens),
            (Self::StopSpindle, powered),
            (Self::StopHand, true),
        ];
        for (drill, suits) in suits {
            if suits && !all.contains(&drill) {
                all.push(drill);
            }
        }
        all
    }

    /// What it is called.
    #[must_use]
    pub fn name(self, voice: Voice) -> String {
        say!(voice, "rehearse-name", drill = self.word())
    }

    /// What is to be done.
    #[must_use]
    pub fn says(self, voice: Voice) -> String {
        say!(voice, "rehearse-task", drill = self.word())
    }

    /// What each key does.
    #[must_use]
    pub fn acts(self, ending: Ending) -> &'static [HandAct] {
        match self {
            Self::StopOpen => &[HandAct::Open],
            Self::StopSpindle => &[HandAct::OutAndStop],
            Self::StopHand => &[HandAct::Stop],
            Self::CatchMark => &[HandAct::Close],
            Self::FirstPass if matches!(Self::stopping(ending), Self::StopOpen) => &[HandAct::Open],
            Self::FirstPass => &[HandAct::OutAndStop],
            Self::Cycle => &[HandAct::Out, HandAct::Stop, HandAct::Back, HandAct::In, HandAct::Go],
            Self::OpenCycle => &[HandAct::Open, HandAct::Wind, HandAct::In, HandAct::Close],
            Self::ToZero => &[HandAct::In, HandAct::Slowly, HandAct::Hold, HandAct::Deeper, HandAct::Go, HandAct::Out],
            Self::Away => &[HandAct::In, HandAct::Go, HandAct::Out, HandAct::Stop, HandAct::Back],
        }
    }

    /// Whether the dial is watched for a mark.
    #[must_use]
    pub const fn catches(self) -> bool {
        matches!(self, Self::CatchMark | Self::OpenCycle)
    }

    /// Whether the cross-slide is wound by its dial.
    #[must_use]
    pub const fn winds(self) -> bool {
        matches!(self, Self::Cycle | Self::OpenCycle | Self::ToZero | Self::Away)
    }

    /// The acts one after another, as they should come.
    #[must_use]
    pub fn order(self, ending: Ending) -> Vec<HandAct> {
        match self {
            Self::Cycle => vec![HandAct::Out, HandAct::Stop, HandAct::Back, HandAct::Stop, HandAct::In, HandAct::Go],
            Self::ToZero => vec![HandAct::In, HandAct::Slowly, HandAct::Hold, HandAct::Deeper, HandAct::Go],
            Self::Away => vec![HandAct::In, HandAct::Go, HandAct::Out, HandAct::Stop, HandAct::Back, HandAct::Stop],
            _ => self.acts(ending).to_vec(),
        }
    }
}

impl HandAct {
    /// What it is called on its key.
    #[must_use]
    pub fn name(self, voice: Voice, drill: Drill, internal: bool) -> String {
        let act = match self {
            Self::Go if drill == Drill::Away => "go-away",
            Self::Back if drill == Drill::Away => "back-away",
            Self::Open => "open",
            Self::Close => "close",
            Self::Out => "out",
            Self::In => "in",
            Self::OutAndStop => "out-and-stop",
            Self::Stop => "stop",
            Self::Back => "back",
            Self::Go => "go",
            Self::Wind => "wind",
            Self::Slowly => "slowly",
            Self::Hold => "hold",
            Self::Deeper => "deeper",
        };
        say!(voice, "rehearse-act", act = act, side = if internal { "inside" } else { "outside" })
    }
}
