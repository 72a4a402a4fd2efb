//! The data folder: one server has it at a time, and the demo's is marked, so that nothing else is ever begun afresh.

use crate::state::DATABASE;
use std::fs::{File, TryLockError};
use std::io::{Read, Seek, Write};
use std::path::Path;
use yoke_store::{LOST, OPEN};

/// Held by the server that has the folder; what it says is the server's port.
const LOCK: &str = "server.lock";
/// Lies in a folder whose shop is the demo's.
const DEMO: &str = "demo-yard";

/// The folder, had by this server alone until it ends, however it ends.
pub struct Folder {
    lock: File,
}

/// Why a folder is not had.
pub enum NotHad {
    /// Another server has it: at this port, once it answers; and what to say.
    Another(Option<u16>, String),
    /// The disk will not have it.
    Disk(String),
}

fn port_in(lock: &mut File) -> Option<u16> {
    let mut port = String::new();
    let _ = lock.read_to_string(&mut port);
    port.trim().parse().ok()
}

/// Whether a server has a folder, and at which port it answers.
pub fn served(folder: &Path) -> Option<Option<u16>> {
    let mut lock = File::open(folder.join(LOCK)).ok()?;
    match lock.try_lock_shared() {
        Err(TryLockError::WouldBlock) => Some(port_in(&mut lock)),
        _ => None,
    }
}

impl Folder {
    /// Makes the folder if need be, and has it.
    ///
    /// # Errors
    /// That another server has it, and at which port; or what the disk says.
    pub fn hold(folder: &Path) -> Result<Self, NotHad> {
        std::fs::create_dir_all(folder).map_err(|e| NotHad::Disk(format!("The data folder {} cannot be made: {e}", folder.display())))?;
        let at = folder.join(LOCK);
        let open = File::options().read(true).write(true).create(true).truncate(false).open(&at);
        let mut lock = open.map_err(|e| NotHad::Disk(format!("{} cannot be written: {e}", at.display())))?;
        match lock.try_lock() {
            Ok(()) => Ok(Self { lock }),
            Err(TryLockError::WouldBlock) => {
                let port = port_in(&mut lock);
                let at = port.map_or_else(|| "it is only starting".to_owned(), |port| format!("it is at http://127.0.0.1:{port}/"));
                let way = "Use that one, stop it first, or give another folder with --data.";
                Err(NotHad::Another(port, format!("Another server has the folder {}: {at}. {way}", folder.display())))
            }
            Err(TryLockError::Error(e)) => Err(NotHad::Disk(format!("{} cannot be had: {e}", at.display()))),
        }
    }

    /// Notes the port served on, for who comes second.
    pub fn served_at(&mut self, port: u16) {
        // Should it not be written, the second is only told that there is a first.
        let _ = self.lock.set_len(0).and_then(|()| self.lock.rewind()).and_then(|()| write!(self.lock, "{port}"));
    }
}

/// Marks a folder as the demo's.
pub fn mark_demo(folder: &Path) -> Result<(), String> {
    let says = "The shop in this folder is the Alder Reach demo yard: it may be begun afresh.\n";
    std::fs::write(folder.join(DEMO), says).map_err(|e| format!("{} cannot be written: {e}", folder.display()))
}

/// Puts the demo's shop aside under a name that is free, so that it can be begun afresh; what was put aside.
///
/// # Errors
/// That the folder holds a shop and is not marked as the demo's, or what the disk says.
pub fn put_aside(folder: &Path) -> Result<Option<String>, String> {
    let database = folder.join(DATABASE);
    if !database.exists() {
        return Ok(None);
    }
    if !folder.join(DEMO).exists() {
        return Err(format!(
            "The folder {} holds a shop that is not marked as the demo's, so it is not begun afresh. Nothing was changed. Give another folder with --data; or, if it is the demo's, put an empty file named {DEMO} in it.",
            folder.display()
        ));
    }
    let aside = (1..).map(|n| format!("before-fresh-{n}.db")).find(|name| !folder.join(name).exists()).unwrap_or_default();
    for ending in ["", "-wal", "-shm", OPEN, LOST] {
        let from = folder.join(format!("{DATABASE}{ending}"));
        if from.exists() {
            std::fs::rename(&from, folder.join(format!("{aside}{ending}"))).map_err(|e| format!("{} cannot be put aside: {e}", from.display()))?;
        }
    }
    let copies = folder.join("copies");
    if copies.exists() {
        let to = folder.join(aside.replace(".db", "-copies"));
        std::fs::rename(&copies, to).map_err(|e| format!("{} cannot be put aside: {e}", copies.display()))?;
    }
    Ok(Some(aside))
}
