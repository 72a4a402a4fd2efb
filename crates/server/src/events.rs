//! Server-sent events: which job moved on, and no more; the page asks for the rest.

use crate::state::{App, JobChanged};
use axum::extract::State;
use axum::response::sse::{Event, KeepAlive, Sse};
use futures_util::{Stream, StreamExt};

use std::convert::Infallible;
use tokio_stream::wrappers::{BroadcastStream, WatchStream};

/// The stream of what moved on.
#[utoipa::path(get, path = "/api/v1/events", responses((status = 200, body = JobChanged, content_type = "text/event-stream")))]
pub async fn stream(State(app): State<App>) -> Sse<impl Stream<Item = Result<Event, Infallible>>> {
    let stopped = WatchStream::new(app.stopping.clone()).filter(|stop| std::future::ready(*stop));
    let moved = BroadcastStream::new(app.events.subscribe())
        .filter_map(|m| std::future::ready(m.ok().and_then(|m| Event::default().event("moved").json_data(m).ok()).map(Ok)))
        .take_until(Box::pin(async move {
            let mut stopped = stopped;
            stopped.next().await
        }));
    Sse::new(moved).keep_alive(KeepAlive::default())
}
