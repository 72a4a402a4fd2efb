//! Operations beside what the plan of a thread knows: which there are, what each asks to be told, and what was told of one.

use super::OpKind;
use crate::faults::Fault;
use crate::say;
use crate::voice::Voice;
use serde::{Deserialize, Serialize};

/// What is told of an operation: only what its kind asks.
#[derive(Debug, Clone, Copy, Default, PartialEq, Serialize, Deserialize)]
#[serde(default, deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct OpFacts {
    /// Diameter: of a hole to be reamed or drilled across, of the place it is done at.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub diameter_mm: Option<f64>,
    /// Width of a groove, a slot or a split.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub width_mm: Option<f64>,
    /// Depth of a groove or a slot.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub depth_mm: Option<f64>,
    /// From the face to where it is.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub at_mm: Option<f64>,
    /// Length it is done over.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub length_mm: Option<f64>,
    /// Pitch of a knurl's wheel.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub pitch_mm: Option<f64>,
    /// Across flats.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub across_mm: Option<f64>,
    /// Temperature it is let down to, °C.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub temper_c: Option<f64>,
}

/// What one field of an operation holds.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum AskedAs {
    /// A length.
    Length,
    /// A number.
    Number,
}

/// A field an operation asks for.
#[derive(Debug, Clone, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct OpAsk {
    /// Its name among what is told.
    pub field: &'static str,
    /// As it is said.
    pub says: String,
    /// What it holds.
    pub holds: AskedAs,
}

/// An operation that may be added to a route.
#[derive(Debug, Clone, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct MayAdd {
    /// Which.
    pub kind: OpKind,
    /// As it is said.
    pub says: String,
    /// What it asks.
    pub asks: Vec<OpAsk>,
    /// What it stands before where it is added: the first of these in its chucking; else last.
    pub before: &'static [OpKind],
}

/// Those that may be added, in the order of the work.
pub const ADDED: [OpKind; 15] = [
    OpKind::Groove,
    OpKind::Ream,
    OpKind::Knurl,
    OpKind::CrossDrill,
    OpKind::Flats,
    OpKind::Hexagon,
    OpKind::Slot,
    OpKind::Split,
    OpKind::Mandrel,
    OpKind::Fit,
    OpKind::Weld,
    OpKind::Harden,
    OpKind::Temper,
    OpKind::Polish,
    OpKind::Own,
];

impl OpKind {
    /// What it asks to be told.
    #[must_use]
    pub const fn asks(self) -> &'static [&'static str] {
        match self {
            Self::Groove => &["diameter_mm", "width_mm", "depth_mm", "at_mm"],
            Self::Ream => &["diameter_mm", "length_mm"],
            Self::Knurl => &["diameter_mm", "pitch_mm", "length_mm"],
            Self::CrossDrill => &["diameter_mm", "at_mm"],
            Self::Flats => &["diameter_mm", "across_mm", "length_mm"],
            Self::Hexagon => &["diameter_mm", "across_mm", "length_mm"],
            Self::Slot => &["diameter_mm", "width_mm", "depth_mm"],
            Self::Split => &["diameter_mm", "width_mm"],
            Self::Mandrel => &["diameter_mm", "length_mm"],
            Self::Temper => &["temper_c"],
            Self::Polish => &["diameter_mm"],
            _ => &[],
        }
    }
}

impl OpKind {
    /// What it stands before where it is added, by the lessons of order.
    const fn added_before(self) -> &'static [Self] {
        match self {
            Self::Groove | Self::Ream | Self::Knurl | Self::CrossDrill | Self::Flats | Self::Hexagon | Self::Weld => {
                &[Self::Chamfer, Self::Thread, Self::Die, Self::Tap, Self::PartOff]
            }
            Self::Mandrel => &[Self::Turn, Self::Thread, Self::Die, Self::PartOff],
            Self::Polish | Self::Fit | Self::Own => &[Self::PartOff],
            _ => &[],
        }
    }
}

impl OpFacts {
    /// Whether nothing was told.
    #[must_use]
    pub fn is_empty(&self) -> bool {
        *self == Self::default()
    }

    /// Each field with its name, its bounds and what was told.
    pub(super) fn fields(&self) -> [(&'static str, [f64; 2], Option<f64>); 8] {
        [
            ("diameter_mm", [0.1, 2000.0], self.diameter_mm),
            ("width_mm", [0.05, 500.0], self.width_mm),
            ("depth_mm", [0.01, 500.0], self.depth_mm),
            ("at_mm", [0.0, 5000.0], self.at_mm),
            ("length_mm", [0.1, 5000.0], self.length_mm),
            ("pitch_mm", [0.2, 5.0], self.pitch_mm),
            ("across_mm", [0.5, 2000.0], self.across_mm),
            ("temper_c", [100.0, 650.0], self.temper_c),
        ]
    }

    /// Every fault of what was told of an operation of this kind: a field it does not ask for, a figure out of bounds.
    #[must_use]
    pub fn check(&self, kind: OpKind, at: &str, voice: Voice) -> Vec<Fault> {
        let mut faults = Vec::new();
        for (field, [low, high], told) in self.fields() {
            let Some(value) = told else { continue };
            if !kind.asks().contains(&field) {
                faults.push(Fault::new(format!("{at}/{field}"), say!(voice, "op-not-asked", asks = kind.asks().join(", "))));
            } else if !(value.is_finite() && (low..=high).contains(&value)) {
                let bounds = if field == "temper_c" { format!("{low} to {high} °C") } else { voice.from_to(low, high) };
                faults.push(Fault::new(format!("{at}/{field}"), say!(voice, "op-out-of-bounds", bounds = bounds)));
            }
        }
        // Flats lie inside their round.
        if let (Some(across), Some(diameter)) = (self.across_mm, self.diameter_mm)
            && across >= diameter
        {
            faults.push(Fault::new(format!("{at}/across_mm"), say!(voice, "op-across-inside", diameter = voice.given(diameter))));
        }
        if let (Some(depth), Some(diameter)) = (self.depth_mm, self.diameter_mm)
            && 2.0 * depth >= diameter
        {
            faults.push(Fault::new(format!("{at}/depth_mm"), say!(voice, "op-depth-inside", diameter = voice.given(diameter))));
        }
        faults
    }
}

/// Everything that may be added.
#[must_use]
pub fn may_add(voice: Voice) -> Vec<MayAdd> {
    let ask = |field: &&'static str| OpAsk {
        field,
        says: say!(voice, "op-asks", field = *field),
        holds: if *field == "temper_c" { AskedAs::Number } else { AskedAs::Length },
    };
    ADDED
        .into_iter()
        .map(|kind| MayAdd { kind, says: super::order::kind_says(kind, voice), asks: kind.asks().iter().map(ask).collect(), before: kind.added_before() })
        .collect()
}
