//! What pages are told unasked: which job moved on, and no more, as server-sent events; and what befell the folder, until it was read.

use crate::here::{Stay, Who};
use crate::notices::{Notice, NoticeCode};
use crate::problem::Problem;
use crate::state::{App, JobChanged};
use crate::voice::Asked;
use axum::extract::{Path, Query, State};
use axum::http::StatusCode;
use axum::response::sse::{Event, KeepAlive, Sse};
use axum::{Extension, Json};
use futures_util::{Stream, StreamExt};
use serde::Deserialize;
use std::convert::Infallible;
use std::future::ready;
use tokio_stream::wrappers::{BroadcastStream, WatchStream};
use utoipa::IntoParams;
use yoke_core::say;
use yoke_core::voice::Voice;

/// What a page has open.
#[derive(Debug, Deserialize, IntoParams)]
pub struct Opened {
    /// The job it has open: who else has is told then.
    job: Option<String>,
}

/// The stream of what moved on, as `moved`; and, where a job is open, of the names of the others who have it open, as `here`.
#[utoipa::path(get, path = "/api/v1/events", params(Opened), responses((status = 200, body = JobChanged, content_type = "text/event-stream")))]
pub async fn stream(
    State(app): State<App>,
    voice: Asked,
    Extension(who): Extension<Who>,
    Query(Opened { job }): Query<Opened>,
) -> Sse<impl Stream<Item = Result<Event, Infallible>>> {
    let moved = BroadcastStream::new(app.events.subscribe()).filter_map(|m| ready(m.ok().and_then(|m| Event::default().event("moved").json_data(m).ok())));
    let here = futures_util::stream::iter(job.map(|job| app.here.come(job, who))).flat_map(move |stay| others(stay, voice.plain()));
    Sse::new(futures_util::stream::select(moved, here).map(Ok).take_until(app.until_stopped())).keep_alive(KeepAlive::default())
}

/// The names of the others at a job: as they are, and whenever that changes.
fn others(stay: Stay, voice: Voice) -> impl Stream<Item = Event> {
    let changes = WatchStream::new(stay.changes());
    let mut told = None;
    changes.filter_map(move |()| {
        let named = |who| match who {
            Who::Desk => say!(voice, "srv-the-desk"),
            Who::Device(name) => name,
        };
        let now: Vec<String> = stay.others().into_iter().map(named).collect();
        let new = told.as_ref() != Some(&now);
        ready(new.then(|| told.insert(now)).and_then(|now| Event::default().event("here").json_data(now).ok()))
    })
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
