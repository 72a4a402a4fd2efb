//! The devices let in: named, each with its role, known by a token of which only a hash is kept here.

use super::authority::private;
use serde::{Deserialize, Serialize};
use sha2::{Digest, Sha256};
use std::path::{Path, PathBuf};
use utoipa::ToSchema;

/// The file they are kept in, readable by its owner alone; it goes out with no shop file and no copy.
const FILE: &str = "devices.json";
/// Most devices. House value.
pub const MOST: usize = 64;
/// Letters of a name.
pub const NAME: usize = 60;
/// What was last seen is written no oftener than that, s: a tablet asks many times a minute.
const NOTED_S: i64 = 60;

/// What a device may do.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum Role {
    /// Sees everything, changes nothing.
    Sees,
    /// Works at the lathe: jobs, their runs, their parts; not the lathes, the drawer or the whole shop.
    Works,
    /// Everything but this door, which is the desk's own.
    Everything,
}

/// A device.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
pub struct Device {
    /// Its own.
    pub id: String,
    /// What it is called.
    pub name: String,
    /// What it may do.
    pub role: Role,
    /// When it was let in, and when it was last seen; seconds since 1970.
    pub paired_s: i64,
    /// Likewise.
    pub seen_s: i64,
    /// SHA-256 of its token.
    token: String,
}

/// What is kept of the door.
#[derive(Debug, Default, Serialize, Deserialize)]
struct Kept {
    /// Whether it is open to the shop when the server starts.
    #[serde(default)]
    open: bool,
    #[serde(default)]
    devices: Vec<Device>,
}

/// All of them, as kept in a folder.
#[derive(Debug)]
pub struct Devices {
    at: PathBuf,
    kept: Kept,
    /// Why what is kept does not read: then nobody is let in on a guess, and nothing is written over it.
    fault: Option<String>,
}

fn hashed(token: &str) -> String {
    Sha256::digest(token.as_bytes()).iter().map(|b| format!("{b:02x}")).collect()
}

impl Devices {
    /// Those of a folder.
    pub fn of(folder: &Path) -> Self {
        Self::at(folder.join(FILE))
    }

    fn at(at: PathBuf) -> Self {
        let read = match std::fs::read(&at) {
            Ok(text) => {
                serde_json::from_slice(&text).map_err(|e| format!("{} does not read: {e}. Mend it, or move it away and pair every device anew.", at.display()))
            }
            Err(e) if e.kind() == std::io::ErrorKind::NotFound => Ok(Kept::default()),
            Err(e) => Err(format!("{} cannot be read: {e}", at.display())),
        };
        let (kept, fault) = read.map_or_else(|fault| (Kept::default(), Some(fault)), |kept| (kept, None));
        Self { at, kept, fault }
    }

    /// Those of the same folder once more, where they did not read before.
    ///
    /// # Errors
    /// That they still do not.
    pub fn readable(&mut self) -> Result<(), String> {
        if self.fault.is_some() {
            *self = Self::at(std::mem::take(&mut self.at));
        }
        self.fault.clone().map_or(Ok(()), Err)
    }

    /// Whether the door is to be open when the server starts; nothing where that does not read.
    pub fn opens(&self) -> Option<bool> {
        self.fault.is_none().then_some(self.kept.open)
    }

    /// Every device.
    pub fn all(&self) -> &[Device] {
        &self.kept.devices
    }

    /// The device a token is of; seen now.
    pub fn of_token(&mut self, token: &str, now_s: i64) -> Option<Device> {
        let hash = hashed(token);
        let device = self.kept.devices.iter_mut().find(|d| d.token == hash)?;
        let noted = now_s - device.seen_s >= NOTED_S;
        if noted {
            device.seen_s = now_s;
        }
        let device = device.clone();
        // What was last seen is worth no refusal.
        if noted && let Err(why) = self.write() {
            tracing::warn!("{why}");
        }
        Some(device)
    }

    /// Lets one in, under the token it is to keep.
    pub fn add(&mut self, (id, token): (String, &str), name: &str, role: Role, now_s: i64) -> Result<(), String> {
        self.kept.devices.push(Device { id, name: name.to_owned(), role, paired_s: now_s, seen_s: now_s, token: hashed(token) });
        self.write().inspect_err(|_| drop(self.kept.devices.pop()))
    }

    /// Changes one; false where there is none such.
    pub fn change(&mut self, id: &str, by: impl FnOnce(&mut Device)) -> Result<bool, String> {
        let Some(device) = self.kept.devices.iter_mut().find(|d| d.id == id) else { return Ok(false) };
        let before = device.clone();
        by(device);
        self.write().inspect_err(|_| self.kept.devices.iter_mut().filter(|d| d.id == id).for_each(|d| *d = before.clone()))?;
        Ok(true)
    }

    /// Puts one out; false where there is none such. It is out even where that cannot be written.
    pub fn put_out(&mut self, id: &str) -> Result<bool, String> {
        let before = self.kept.devices.len();
        self.kept.devices.retain(|d| d.id != id);
        let out = self.kept.devices.len() < before;
        if out {
            self.write()?;
        }
        Ok(out)
    }

    /// Keeps whether the door opens when the server starts.
    pub fn open_at_start(&mut self, open: bool) -> Result<(), String> {
        self.kept.open = open;
        self.write()
    }

    fn write(&self) -> Result<(), String> {
        if let Some(fault) = &self.fault {
            return Err(fault.clone());
        }
        let text = serde_json::to_vec_pretty(&self.kept).map_err(|e| e.to_string())?;
        private(&self.at, &text)
    }
}

/// Whether something is a name.
pub fn named(name: &str) -> bool {
    (1..=NAME).contains(&name.chars().count()) && !name.chars().any(char::is_control)
}
