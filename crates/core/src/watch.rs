//! Judgements and cautions: data with a stable code, in order of weight.

use serde::Serialize;

/// How much it matters.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Serialize)]
#[serde(rename_all = "lowercase")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Level {
    /// Someone or the part will be hurt.
    Danger,
    /// The thread may be spoilt.
    Warn,
    /// Worth knowing.
    Note,
}

/// One thing to watch.
#[derive(Debug, Clone, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Watch {
    /// How much it matters.
    pub level: Level,
    /// Stable code.
    pub code: &'static str,
    /// The station it belongs to.
    pub station: &'static str,
    /// What to do, then why.
    pub text: String,
}

impl Watch {
    /// A new one.
    #[must_use]
    pub const fn new(level: Level, code: &'static str, station: &'static str, text: String) -> Self {
        Self { level, code, station, text }
    }
}

/// Puts the weightiest first, keeping the order of the stations within a level.
pub(crate) fn order(watch: &mut Vec<Watch>) {
    watch.sort_by_key(|w| w.level);
    watch.dedup();
}
