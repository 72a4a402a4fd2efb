//! Sheets kept of a job, a lathe or the shop, changed a part at a time.

use crate::stored::{self, Failed};
use serde::Serialize;
use serde::de::DeserializeOwned;
use serde_json::json;
use yoke_store::{Changed, Store};

/// What is kept of an owner; as if nothing was told where nothing is.
pub fn kept<T: DeserializeOwned + Default>(store: &Store, owner: &str, kind: &str) -> Result<T, Failed> {
    Ok(store.sheet(owner, kind)?.map(|row| stored::sheet(&row)).transpose()?.unwrap_or_default())
}

/// Changes what is kept of an owner; of two changes at once neither is lost: where another was made meanwhile, this one is made again.
pub fn change<T: Serialize + DeserializeOwned + Default>(store: &Store, owner: &str, kind: &str, mut by: impl FnMut(&mut T)) -> Result<T, Failed> {
    loop {
        let row = store.sheet(owner, kind)?;
        let mut one: T = row.as_ref().map(stored::sheet).transpose()?.unwrap_or_default();
        by(&mut one);
        if let Changed::Done(_) = store.put_sheet(owner, kind, row.map_or(0, |r| r.revision), &json!(one).to_string())? {
            return Ok(one);
        }
    }
}
