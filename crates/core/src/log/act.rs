//! Acts: things done at the lathe. They are never changed, only added to.

use crate::gauge::Measured;
use serde::{Deserialize, Serialize};

/// What was done.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[serde(tag = "kind", rename_all = "snake_case", deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum ActKind {
    /// A pass was cut.
    PassDone {
        /// Its number.
        n: u32,
        /// Radial depth it was cut at, as the hand saw it, mm.
        radial_mm: f64,
    },
    /// A size was read.
    Measured {
        /// Micrometer over three wires, mm.
        #[serde(default, skip_serializing_if = "Option::is_none")]
        over_wires_mm: Option<f64>,
        /// Thread micrometer, mm.
        #[serde(default, skip_serializing_if = "Option::is_none")]
        pitch_diameter_mm: Option<f64>,
        /// Spread of repeats, mm.
        #[serde(default, skip_serializing_if = "Option::is_none")]
        spread_mm: Option<f64>,
    },
    /// The dial that carries the depth stands at a reading, in its own unit.
    StandsAt {
        /// The reading.
        reading: f64,
    },
    /// An earlier act is taken back.
    Undone {
        /// The act.
        act: String,
    },
    /// Something worth remembering.
    Note {
        /// In the user's words.
        text: String,
    },
}

/// An act, in the order it was recorded.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Act {
    /// Made by the client.
    pub id: String,
    /// What was done.
    #[serde(flatten)]
    pub kind: ActKind,
}

impl ActKind {
    /// Checks what was typed. Returns the faulty field and what would be right.
    ///
    /// # Errors
    /// The JSON pointer of the field and what would be right.
    pub fn check(&self) -> Result<(), (&'static str, String)> {
        let sound = |field, value: f64, low: f64, high: f64, unit: &str| {
            if value.is_finite() && (low..=high).contains(&value) {
                Ok(())
            } else {
                Err((field, format!("{value} is out of bounds; it must be {low} to {high} {unit}")))
            }
        };
        match self {
            Self::PassDone { n, radial_mm } => {
                sound("/n", f64::from(*n), 0.0, 1000.0, "")?;
                sound("/radial_mm", *radial_mm, 0.0, 100.0, "mm")
            }
            Self::Measured { over_wires_mm, pitch_diameter_mm, spread_mm } => match (over_wires_mm, pitch_diameter_mm) {
                (Some(m), None) => sound("/over_wires_mm", *m, 0.01, 2000.0, "mm"),
                (None, Some(e)) => sound("/pitch_diameter_mm", *e, 0.01, 2000.0, "mm"),
                _ => Err(("/over_wires_mm", "give over_wires_mm or pitch_diameter_mm, one of them".into())),
            }
            .and_then(|()| spread_mm.map_or(Ok(()), |s| sound("/spread_mm", s, 0.0, 5.0, "mm"))),
            Self::StandsAt { reading } => sound("/reading", *reading, 0.0, 200.0, "in the dial's own unit"),
            Self::Undone { act } if act.is_empty() => Err(("/act", "name the act to take back".into())),
            Self::Note { text } if text.trim().is_empty() || text.len() > 4000 => Err(("/text", "a note has 1 to 4000 characters".into())),
            Self::Undone { .. } | Self::Note { .. } => Ok(()),
        }
    }

    /// The reading, when the act is one.
    #[must_use]
    pub fn measured(&self) -> Option<Measured> {
        match *self {
            Self::Measured { over_wires_mm, pitch_diameter_mm, spread_mm } => Some(Measured { over_wires_mm, pitch_diameter_mm, spread_mm }),
            _ => None,
        }
    }
}
