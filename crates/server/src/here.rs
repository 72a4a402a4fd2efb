//! Who has a job open just now: two people on one job are to know of one another.

use std::sync::atomic::{AtomicU64, Ordering};
use std::sync::{Arc, Mutex, MutexGuard, PoisonError};
use tokio::sync::watch;

/// Who asks.
#[derive(Debug, Clone, PartialEq, Eq)]
pub enum Who {
    /// Whoever sits at this machine.
    Desk,
    /// A device that was let in, by its name.
    Device(String),
}

#[derive(Debug)]
struct One {
    id: u64,
    job: String,
    who: Who,
}

/// Everybody who has a job open.
#[derive(Debug, Default)]
pub struct Here {
    all: Mutex<Vec<One>>,
    next: AtomicU64,
    changed: watch::Sender<()>,
}

/// One of them, as long as it is held.
pub struct Stay {
    here: Arc<Here>,
    id: u64,
    job: String,
}

impl Here {
    fn all(&self) -> MutexGuard<'_, Vec<One>> {
        self.all.lock().unwrap_or_else(PoisonError::into_inner)
    }

    /// Somebody opens a job.
    pub fn come(self: &Arc<Self>, job: String, who: Who) -> Stay {
        let id = self.next.fetch_add(1, Ordering::Relaxed);
        self.all().push(One { id, job: job.clone(), who });
        self.changed.send_replace(());
        Stay { here: Arc::clone(self), id, job }
    }
}

impl Stay {
    /// Told when somebody comes or goes.
    pub fn changes(&self) -> watch::Receiver<()> {
        self.here.changed.subscribe()
    }

    /// The others at the same job, each once, in the order they came.
    pub fn others(&self) -> Vec<Who> {
        let mut others = Vec::new();
        for one in self.here.all().iter().filter(|one| one.id != self.id && one.job == self.job) {
            if !others.contains(&one.who) {
                others.push(one.who.clone());
            }
        }
        others
    }
}

impl Drop for Stay {
    fn drop(&mut self) {
        self.here.all().retain(|one| one.id != self.id);
        self.here.changed.send_replace(());
    }
}
