//! Runs that are followed by the instruments of their lathe: what each is at now, shared by who follows, who looks and who tells.

use super::ear::Ears;
use std::collections::{HashMap, VecDeque};
use std::sync::{Arc, Mutex, MutexGuard, PoisonError, Weak};
use tokio::sync::watch;
use yoke_core::instruments::{Came, Follow, Link, LiveView, Now};
use yoke_core::log::{ActKind, RunState};
use yoke_core::voice::Voice;

/// So many passes told twice are remembered, should they be sent again.
const REMEMBERED: usize = 32;

/// What a run that is followed is at.
#[derive(Debug, Default)]
pub struct Shared {
    /// The instruments.
    pub now: Now,
    /// The run as set up, and its passages; nothing where there is none to follow.
    pub follow: Option<Follow>,
    /// How the run stands.
    pub state: Option<RunState>,
    /// The pass marked last, by its act, while it is the last thing done.
    pub marked: Option<(String, u32)>,
    /// Acts told of a pass the instrument had marked.
    twice: VecDeque<String>,
}

/// A run that is followed, as long as it is held.
#[derive(Debug)]
pub struct Followed {
    shared: Mutex<Shared>,
    changed: watch::Sender<()>,
}

impl Followed {
    /// What it is at.
    pub fn shared(&self) -> MutexGuard<'_, Shared> {
        self.shared.lock().unwrap_or_else(PoisonError::into_inner)
    }

    /// Changes it, and tells who looks.
    pub fn change<T>(&self, by: impl FnOnce(&mut Shared) -> T) -> T {
        let done = by(&mut self.shared());
        self.changed.send_replace(());
        done
    }

    /// Told when it changed.
    pub fn changes(&self) -> watch::Receiver<()> {
        self.changed.subscribe()
    }

    /// What is shown of it.
    pub fn view(&self, voice: Voice) -> Option<LiveView> {
        let shared = self.shared();
        Some(shared.now.view(shared.follow.as_ref()?, shared.state.as_ref()?, voice))
    }
}

impl Shared {
    /// The last passage, and what came of it.
    pub fn came(&mut self, came: Came) {
        let n = self.now.came.as_ref().map_or(0, |(n, _)| *n) + 1;
        self.now.came = Some((n, came));
    }
}

/// Every run that is followed, and every cable listened at for it.
#[derive(Debug, Default)]
pub struct Follows {
    /// The cables.
    pub ears: Ears,
    runs: Mutex<HashMap<String, Weak<Followed>>>,
    /// Those whose passes are marked are followed whoever looks.
    held: Mutex<HashMap<String, Arc<Followed>>>,
}

impl Follows {
    /// A job's run as it is followed; begun by `begin` where nobody followed it.
    pub fn of(&self, job: &str, begin: impl FnOnce(Weak<Followed>)) -> Arc<Followed> {
        let mut runs = self.runs.lock().unwrap_or_else(PoisonError::into_inner);
        runs.retain(|_, run| run.strong_count() > 0);
        if let Some(run) = runs.get(job).and_then(Weak::upgrade) {
            return run;
        }
        let run = Arc::new(Followed { shared: Mutex::default(), changed: watch::Sender::new(()) });
        runs.insert(job.to_owned(), Arc::downgrade(&run));
        begin(Arc::downgrade(&run));
        run
    }

    /// Follows it whoever looks, or no longer.
    pub fn hold(&self, job: &str, run: Option<Arc<Followed>>) {
        let mut held = self.held.lock().unwrap_or_else(PoisonError::into_inner);
        match run {
            Some(run) => held.insert(job.to_owned(), run),
            None => held.remove(job),
        };
    }

    /// Whether a pass told by hand is the one the readout marked already: the tool has not gone over the thread since.
    pub fn told_again(&self, job: &str, id: &str, act: &ActKind) -> bool {
        let run = self.runs.lock().unwrap_or_else(PoisonError::into_inner).get(job).and_then(Weak::upgrade);
        let (Some(run), ActKind::PassDone { n, .. }) = (run, act) else { return false };
        run.change(|shared| {
            if shared.twice.iter().any(|twice| twice == id) {
                return true;
            }
            let last = shared.state.as_ref().and_then(|s| s.last_act.as_ref());
            let marked = shared.marked.as_ref().is_some_and(|(act, pass)| Some(act) == last && pass != n);
            let again = marked && shared.now.readout == Link::Heard && shared.follow.as_ref().is_some_and(|f| !f.over_again());
            if again {
                shared.twice.truncate(REMEMBERED - 1);
                shared.twice.push_front(id.to_owned());
                shared.came(Came::same());
            }
            again
        })
    }
}
