//! One thing looked at, and how it stands.

use serde::Serialize;

/// How a thing stands.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize)]
#[serde(rename_all = "snake_case")]
pub enum Stands {
    /// As it should.
    Right,
    /// Worth knowing.
    Note,
    /// Not as it should.
    Wrong,
}

/// One thing looked at.
#[derive(Debug, Serialize)]
pub struct Line {
    /// How it stands.
    pub stands: Stands,
    /// What it is.
    pub about: &'static str,
    /// In words.
    pub says: String,
}

impl Line {
    /// It is as it should.
    pub fn right(about: &'static str, says: impl Into<String>) -> Self {
        Self { stands: Stands::Right, about, says: says.into() }
    }

    /// It is worth knowing.
    pub fn note(about: &'static str, says: impl Into<String>) -> Self {
        Self { stands: Stands::Note, about, says: says.into() }
    }

    /// It is not as it should.
    pub fn wrong(about: &'static str, says: impl Into<String>) -> Self {
        Self { stands: Stands::Wrong, about, says: says.into() }
    }
}
