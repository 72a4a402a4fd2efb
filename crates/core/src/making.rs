//! What makes the thread: a single point, a die or a tap; as told.

use crate::faults::Checker;
use crate::sentence;
use crate::thread::Side;
use serde::{Deserialize, Serialize};

/// What makes the thread.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Maker {
    /// A single point, pass by pass.
    #[default]
    SinglePoint,
    /// A die.
    Die,
    /// A tap.
    Tap,
}

impl Maker {
    /// The one of die and tap that makes this member.
    #[must_use]
    pub const fn chaser_of(side: Side) -> Self {
        match side {
            Side::External => Self::Die,
            Side::Internal => Self::Tap,
        }
    }

    /// As sentences choose by it.
    #[must_use]
    pub const fn word(self) -> &'static str {
        match self {
            Self::SinglePoint => "point",
            Self::Die => "die",
            Self::Tap => "tap",
        }
    }
}

/// How a tap begins: by the pitches its lead takes.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum TapLead {
    /// Seven to ten pitches.
    Taper,
    /// Three to five: the second in Britain, the plug in America.
    #[default]
    Second,
    /// One or two: the plug in Britain, the bottoming tap in America.
    Bottoming,
}

impl TapLead {
    /// In the order they are used.
    pub const ALL: [Self; 3] = [Self::Taper, Self::Second, Self::Bottoming];

    /// Pitches of its lead, least and most.
    #[must_use]
    pub const fn pitches(self) -> [f64; 2] {
        match self {
            Self::Taper => [7.0, 10.0],
            Self::Second => [3.0, 5.0],
            Self::Bottoming => [1.0, 2.0],
        }
    }

    /// As sentences choose by it.
    #[must_use]
    pub const fn word(self) -> &'static str {
        match self {
            Self::Taper => "taper",
            Self::Second => "second",
            Self::Bottoming => "bottoming",
        }
    }
}

/// What makes the thread, and what is known of it.
#[derive(Debug, Clone, Default, PartialEq, Serialize, Deserialize)]
#[serde(default, deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct MakingRequest {
    /// A single point, a die or a tap; the single point when absent.
    pub by: Option<Maker>,
    /// Whether the spindle's own power turns it, as far as it may.
    pub power: Option<bool>,
    /// Whether die or tap is worn: it then takes twice the torque.
    pub worn: Option<bool>,
    /// Whether the die is split, so that it opens and closes.
    pub split: Option<bool>,
    /// Whether the die is turned round at the end, to come nearer the shoulder.
    pub turned_round: Option<bool>,
    /// The last tap run in.
    pub last_tap: Option<TapLead>,
    /// The taps there are for it, in any order; those of the drawer when absent, and with none there a set of three.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub taps: Option<Vec<TapLead>>,
    /// Length of the point before the tap's lead, where it has one.
    pub point_mm: Option<f64>,
    /// From hand to hand on the die's stock, or the tap's wrench.
    pub handle_mm: Option<f64>,
}

/// The same, settled.
#[derive(Debug, Clone, Copy, Default, PartialEq)]
pub struct MakingFacts {
    /// What makes it.
    pub by: Maker,
    /// Whether under power.
    pub power: bool,
    /// Whether worn, where told.
    pub worn: Option<bool>,
    /// Whether the die opens and closes, where told.
    pub split: Option<bool>,
    /// Whether the die is turned round at the end.
    pub turned_round: bool,
    /// The last tap run in, where told.
    pub last_tap: Option<TapLead>,
    /// Which of [`TapLead::ALL`] there are, where told.
    pub taps: Option<[bool; 3]>,
    /// The tap's point, mm, where told.
    pub point_mm: Option<f64>,
    /// From hand to hand, mm, where told.
    pub handle_mm: Option<f64>,
}

impl MakingRequest {
    /// Whether nothing of it was told.
    #[must_use]
    pub fn is_untold(&self) -> bool {
        *self == Self::default()
    }

    /// Settles it for a member of this side, noting every fault.
    pub(crate) fn settle(&self, side: Option<Side>, c: &mut Checker) -> MakingFacts {
        let by = self.by.unwrap_or_default();
        let wrong = side.is_some_and(|side| by != Maker::SinglePoint && by != Maker::chaser_of(side));
        if wrong {
            c.fault("/making/by", if by == Maker::Die { sentence!("making-die-cuts-screws") } else { sentence!("making-tap-cuts-nuts") });
        }
        if by == Maker::Tap {
            for (told, field) in [(self.split.is_some(), "split"), (self.turned_round == Some(true), "turned_round")] {
                if told {
                    c.fault(format!("/making/{field}"), sentence!("making-of-a-die"));
                }
            }
        }
        if by == Maker::Die {
            for (told, field) in [(self.last_tap.is_some(), "last_tap"), (self.taps.is_some(), "taps"), (self.point_mm.is_some(), "point_mm")] {
                if told {
                    c.fault(format!("/making/{field}"), sentence!("making-of-a-tap"));
                }
            }
        }
        let taps = self.taps.as_ref().map(|list| TapLead::ALL.map(|lead| list.contains(&lead)));
        if taps == Some([false; 3]) {
            c.fault("/making/taps", sentence!("making-no-taps"));
        }
        if let (Some(last), Some(list)) = (self.last_tap, &self.taps)
            && !list.contains(&last)
        {
            c.fault("/making/last_tap", sentence!("making-last-tap-there"));
        }
        MakingFacts {
            by,
            power: self.power.unwrap_or(false),
            worn: self.worn,
            split: self.split,
            turned_round: self.turned_round.unwrap_or(false),
            last_tap: self.last_tap,
            taps,
            point_mm: c.sound(self.point_mm, 0.0, 50.0, "/making/point_mm", "mm"),
            handle_mm: c.sound(self.handle_mm, 20.0, 2000.0, "/making/handle_mm", "mm"),
        }
    }
}
