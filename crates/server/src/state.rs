//! What every handler has: the store, the clock, and the way to tell open pages.

use crate::cache::Cache;
use crate::door::held::Door;
use crate::door::who::Via;
use crate::here::Here;
use crate::instruments::followed::Follows;
use crate::notices::Notices;
use crate::stored::Failed;
use crate::{Files, problem};
use axum::Router;
use axum::body::Bytes;
use serde::Serialize;
use std::sync::{Arc, Mutex};
use tokio::sync::{OwnedSemaphorePermit, Semaphore, broadcast, watch};
use yoke_core::gears::ChartRow;
use yoke_core::say;
use yoke_core::voice::Voice;
use yoke_store::Store;

/// A job moved on.
#[derive(Debug, Clone, Serialize, utoipa::ToSchema)]
pub struct JobChanged {
    job: String,
    revision: i64,
    sequence: i64,
}

impl JobChanged {
    /// Whether it may be about a job.
    pub fn of(&self, job: &str) -> bool {
        self.job.is_empty() || self.job == job
    }

    /// The job's revision and sequence now.
    pub fn at(&self) -> [i64; 2] {
        [self.revision, self.sequence]
    }

    /// Tells every open page that what many jobs hang on was changed: a lathe, the drawer, or the whole shop.
    pub fn tell_all(app: &App) {
        Self::tell(app, "", 0, 0);
    }

    /// Tells every open page; nobody listening is no fault.
    pub fn tell(app: &App, job: &str, revision: i64, sequence: i64) {
        let _ = app.events.send(Self { job: job.to_owned(), revision, sequence });
    }
}

/// A moment, as UTC text. Injected so that tests may hold it still.
pub type Clock = fn() -> String;

/// What every handler has.
#[derive(Clone)]
pub struct App {
    pub(crate) store: Arc<Store>,
    /// Held while an act is judged and recorded: one after another, so that each is judged by those before it.
    pub(crate) acts: Arc<Mutex<()>>,
    /// As much is reckoned at once as leaves room for acts.
    pub(crate) reckoning: Arc<Semaphore>,
    /// What takes its time is reckoned one after another, apart from what a page waits for.
    pub(crate) long: Arc<Semaphore>,
    /// Pitch charts made: as many as a shop has lathes under hand at once.
    pub(crate) charts: Arc<Cache<Arc<[ChartRow]>>>,
    /// Plans made and not stored, as they are sent.
    pub(crate) plans: Arc<Cache<Bytes>>,
    /// What befell the shop's folder while it is served.
    pub(crate) notices: Arc<Notices>,
    /// Runs that are followed by the instruments of their lathe.
    pub(crate) follows: Arc<Follows>,
    /// Who has a job open.
    pub(crate) here: Arc<Here>,
    /// Tells open pages which job moved on.
    pub events: broadcast::Sender<JobChanged>,
    /// Turns true when the server is stopping, so that streams end.
    pub stopping: watch::Receiver<bool>,
    /// The time.
    pub clock: Clock,
    /// The web app.
    pub files: Files,
    /// The door to the shop's network.
    pub(crate) door: Arc<Door>,
    /// Everything, as it is come by.
    pub(crate) reached: fn(Self, Via) -> Router,
    /// Port served on, for the Host check.
    pub port: u16,
}

impl App {
    /// Until the server is stopping: streams end then.
    pub fn until_stopped(&self) -> impl Future<Output = ()> + Send + Unpin + use<> {
        let mut stopping = self.stopping.clone();
        Box::pin(async move {
            let _ = stopping.wait_for(|stop| *stop).await;
        })
    }

    /// Runs SQLite work off the async threads. Nothing is acknowledged that went into a file no longer at its place.
    pub async fn with_store<T: Send + 'static>(&self, work: impl FnOnce(&Store) -> Result<T, Failed> + Send + 'static) -> Result<T, problem::Problem> {
        let store = Arc::clone(&self.store);
        let done = tokio::task::spawn_blocking(move || {
            let done = work(&store)?;
            store.in_place()?;
            Ok::<T, Failed>(done)
        });
        done.await.map_err(|_| problem::Problem::internal(say!(Voice::default(), "srv-storage-task-stopped-short")))?.map_err(Into::into)
    }

    /// The same for what takes reckoning: only so many at once, so that acts always have a thread; one whose asker has gone is not begun.
    pub async fn reckon<T: Send + 'static>(&self, work: impl FnOnce(&Store) -> Result<T, Failed> + Send + 'static) -> Result<T, problem::Problem> {
        let permit = had(&self.reckoning).await?;
        self.with_store(move |store| {
            let _held = permit;
            work(store)
        })
        .await
    }

    /// Reckons what may take long, one after another; it is told whether its asker still waits, and is given up when not.
    pub async fn reckon_long<T: Send + 'static>(&self, work: impl FnOnce(&dyn Fn() -> bool) -> T + Send + 'static) -> Result<T, problem::Problem> {
        let permit = had(&self.long).await?;
        let asker = Arc::new(());
        let waits = Arc::downgrade(&asker);
        let made = tokio::task::spawn_blocking(move || {
            let _held = permit;
            work(&|| waits.strong_count() > 0)
        });
        let made = made.await.map_err(|_| problem::Problem::internal(say!(Voice::default(), "srv-reckoning-stopped-short")));
        drop(asker);
        made
    }
}

/// One of so many at once.
async fn had(of: &Arc<Semaphore>) -> Result<OwnedSemaphorePermit, problem::Problem> {
    Arc::clone(of).acquire_owned().await.map_err(|_| problem::Problem::internal(say!(Voice::default(), "srv-server-stopping")))
}

/// The database, in its folder.
pub const DATABASE: &str = "yoke-turn.db";
