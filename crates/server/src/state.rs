//! What every handler has: the store, the clock, and the way to tell open pages.

use crate::{Files, problem};
use serde::Serialize;
use std::sync::Arc;
use tokio::sync::{broadcast, watch};
use yoke_store::{Store, StoreError};

/// A job moved on.
#[derive(Debug, Clone, Serialize, utoipa::ToSchema)]
pub struct JobChanged {
    job: String,
    revision: i64,
    sequence: i64,
}

impl JobChanged {
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
    /// Tells open pages which job moved on.
    pub events: broadcast::Sender<JobChanged>,
    /// Turns true when the server is stopping, so that streams end.
    pub stopping: watch::Receiver<bool>,
    /// The time.
    pub clock: Clock,
    /// The web app.
    pub files: Files,
    /// Port served on, for the Host check.
    pub port: u16,
}

impl App {
    /// Runs SQLite work off the async threads.
    pub async fn with_store<T: Send + 'static>(&self, work: impl FnOnce(&Store) -> Result<T, StoreError> + Send + 'static) -> Result<T, problem::Problem> {
        let store = Arc::clone(&self.store);
        tokio::task::spawn_blocking(move || work(&store)).await.map_err(|_| problem::Problem::internal("a storage task stopped short"))?.map_err(Into::into)
    }
}

/// The database, in its folder.
pub const DATABASE: &str = "yoke-turn.db";
