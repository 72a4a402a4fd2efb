//! What befell the shop's folder, for whoever works from it: said on every page until it was read, for nobody looks at the terminal.

use serde::{Deserialize, Serialize};
use std::collections::BTreeMap;
use std::sync::{Mutex, PoisonError};
use utoipa::ToSchema;

/// What befell it.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum NoticeCode {
    /// What was written last is gone, with the file it stood in.
    WritesLost,
    /// The day's copy could not be made.
    NoCopy,
    /// The door to the shop's network was to be open and is not.
    DoorShut,
}

/// Something that befell it, in words.
#[derive(Serialize, ToSchema)]
pub struct Notice {
    /// What.
    pub code: NoticeCode,
    /// What is to be done about it.
    pub says: String,
}

/// What is said until it was read or is so no more. What was lost is kept beside the database instead: a restart must not forget it.
#[derive(Default)]
pub struct Notices(Mutex<BTreeMap<NoticeCode, String>>);

impl Notices {
    /// Says something; a newer word of the same takes its place.
    pub fn say(&self, code: NoticeCode, says: String) {
        self.0.lock().unwrap_or_else(PoisonError::into_inner).insert(code, says);
    }

    /// Says it no more.
    pub fn clear(&self, code: NoticeCode) {
        self.0.lock().unwrap_or_else(PoisonError::into_inner).remove(&code);
    }

    /// All that is said.
    pub fn all(&self) -> BTreeMap<NoticeCode, String> {
        self.0.lock().unwrap_or_else(PoisonError::into_inner).clone()
    }
}
