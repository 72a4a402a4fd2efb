//! What every shelf keeps to: names of one's own, no endless story.

use crate::faults::Checker;
use crate::sentence;
use serde::{Deserialize, Serialize};

/// Something that became of a tool.
#[derive(Debug, Clone, Default, PartialEq, Eq, Serialize, Deserialize)]
#[serde(default, deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ToolEvent {
    /// What: worn, reground, broken, measured, or in one's own words.
    pub what: String,
    /// The day, as the one who told it writes it.
    pub on: String,
}

/// Most kept of what became of one tool.
const MOST_HAPPENED: usize = 100;

/// The names taken so far.
#[derive(Default)]
pub(super) struct Names<'a>(Vec<&'a str>);

impl<'a> Names<'a> {
    /// A thing has a name of its own.
    pub(super) fn take(&mut self, name: &'a str, at: &str, c: &mut Checker) {
        if name.trim().is_empty() || name.len() > 80 {
            c.fault(at, sentence!("fact-name-1-80-letters-wanted"));
        } else if self.0.contains(&name) {
            c.fault(at, sentence!("fact-drawer-twice-each-own-name", name = name));
        }
        self.0.push(name);
    }
}

/// What became of a tool is not endless.
pub(super) fn story(history: &[ToolEvent], at: &str, c: &mut Checker) {
    if history.len() > MOST_HAPPENED || history.iter().any(|h| h.what.len() > 200 || h.on.len() > 40) {
        c.fault(at, sentence!("fact-most-entries-most-200-letters", most_happened = MOST_HAPPENED));
    }
}
