//! What is kept of instruments: those of a lathe, and how a run is followed by them.

use crate::stored::{self, Failed};
use serde::de::DeserializeOwned;
use serde_json::json;
use yoke_core::instruments::Following;
use yoke_store::{Changed, Store};

/// What the instruments of a lathe are kept as.
pub const TOLD: &str = "instruments";
/// What is kept of a run that is followed.
pub const FOLLOWING: &str = "following";

/// How often a change is made again where another was made meanwhile.
const TRIES: usize = 8;

/// Changes how a run is followed; of two changes at once neither is lost.
pub fn change_following(store: &Store, job: &str, by: impl Fn(&mut Following)) -> Result<Following, Failed> {
    let mut following = Following::default();
    for _ in 0..TRIES {
        let row = store.sheet(job, FOLLOWING)?;
        following = row.as_ref().map(stored::sheet).transpose()?.unwrap_or_default();
        by(&mut following);
        if let Changed::Done(_) = store.put_sheet(job, FOLLOWING, row.map_or(0, |r| r.revision), &json!(following).to_string())? {
            break;
        }
    }
    Ok(following)
}

/// What is kept of an owner; as if nothing was told where nothing is.
pub fn kept<T: DeserializeOwned + Default>(store: &Store, owner: &str, kind: &str) -> Result<T, Failed> {
    Ok(store.sheet(owner, kind)?.map(|row| stored::sheet(&row)).transpose()?.unwrap_or_default())
}
