//! Trade words, British or American.

use serde::{Deserialize, Serialize};

/// British or American trade words.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "lowercase")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Vocabulary {
    /// Compound, half-nut, center.
    #[default]
    American,
    /// Top slide, clasp nut, centre.
    British,
}

/// The words that differ.
#[derive(Debug, Clone, Copy)]
pub struct Words {
    /// The slide on the cross-slide that swings.
    pub compound: &'static str,
    /// What grips the leadscrew.
    pub half_nut: &'static str,
}

impl Words {
    /// The words of a vocabulary.
    #[must_use]
    pub const fn of(vocabulary: Vocabulary) -> Self {
        match vocabulary {
            Vocabulary::American => Self { compound: "compound", half_nut: "half-nut" },
            Vocabulary::British => Self { compound: "top slide", half_nut: "clasp nut" },
        }
    }
}

/// `2nd`, `3rd`, `4th`.
pub fn ordinal(n: u16) -> String {
    let ending = match (n % 10, n % 100) {
        (_, 11..=13) => "th",
        (1, _) => "st",
        (2, _) => "nd",
        (3, _) => "rd",
        _ => "th",
    };
    format!("{n}{ending}")
}
