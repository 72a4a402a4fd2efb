//! One line of a card.

use crate::working::Quantity;
use serde::Serialize;

/// One line of a card: a number, or words.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct CardLine {
    /// What it is.
    pub says: String,
    /// The number.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub figure: Option<Quantity>,
    /// Or words.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub text: Option<String>,
}

pub(crate) fn number(says: impl Into<String>, figure: &Quantity) -> CardLine {
    // A card stands alone: its numbers open nothing.
    CardLine { says: says.into(), figure: Some(Quantity { w: None, ..figure.clone() }), text: None }
}

pub(crate) fn words(says: impl Into<String>, text: impl Into<String>) -> CardLine {
    CardLine { says: says.into(), figure: None, text: Some(text.into()) }
}
