//! What pages are told unasked: which job moved on, and no more, as server-sent events; and what befell the folder, until it was read.

use crate::notices::{Notice, NoticeCode};
use crate::problem::Problem;
use crate::state::{App, JobChanged};
use axum::Json;
use axum::extract::{Path, State};
use axum::http::StatusCode;
use axum::response::sse::{Event, KeepAlive, Sse};
use futures_util::{Stream, StreamExt};

use std::convert::Infallible;
use tokio_stream::wrappers::BroadcastStream;

/// The stream of what moved on.
#[utoipa::path(get, path = "/api/v1/events", responses((status = 200, body = JobChanged, content_type = "text/event-stream")))]
pub async fn stream(State(app): State<App>) -> Sse<impl Stream<Item = Result<Event, Infallible>>> {
    let moved = BroadcastStream::new(app.events.subscribe())
        .filter_map(|m| std::future::ready(m.ok().and_then(|m| Event::default().event("moved").json_data(m).ok()).map(Ok)))
        .take_until(app.until_stopped());
    Sse::new(moved).keep_alive(KeepAlive::default())
}

/// What befell the shop's folder and was not read yet.
#[utoipa::path(get, path = "/api/v1/notices", responses((status = 200, body = Vec<Notice>)))]
pub async fn notices(State(app): State<App>) -> Result<Json<Vec<Notice>>, Problem> {
    let lost = app.with_store(|store| Ok(store.says_lost())).await?;
    let lost = lost.map(|says| (NoticeCode::WritesLost, says));
    Ok(Json(lost.into_iter().chain(app.notices.all()).map(|(code, says)| Notice { code, says }).collect()))
}

/// It was read, and is said no more.
#[utoipa::path(delete, path = "/api/v1/notices/{code}", params(("code" = NoticeCode, Path)), responses((status = 204), (status = 404, body = Problem)))]
pub async fn notice_read(State(app): State<App>, Path(code): Path<NoticeCode>) -> Result<StatusCode, Problem> {
    app.notices.clear(code);
    if code == NoticeCode::WritesLost {
        app.with_store(|store| Ok(store.lost_is_read()?)).await?;
    }
    Ok(StatusCode::NO_CONTENT)
}
