//! The door: only our own Host and Origin, only who was let in, and a policy that lets nothing else in.

use crate::door::devices::Device;
use crate::door::pages::COOKIE;
use crate::door::who::{Via, may};
use crate::here::Who;
use crate::problem::Problem;
use crate::state::App;
use axum::body::Body;
use axum::extract::{Request, State};
use axum::http::{HeaderMap, HeaderName, HeaderValue, header};
use axum::middleware::Next;
use axum::response::{IntoResponse, Redirect, Response};
use futures_util::StreamExt;
use yoke_core::say;
use yoke_core::voice::Voice;

/// One nonce a page load, for the styles the interface library writes.
#[derive(Clone)]
pub struct Nonce(pub String);

/// Whether a Host or an Origin is this server by the way it was come by.
fn ours(app: &App, via: Via, authority: &str) -> bool {
    match via {
        Via::Desk => ["127.0.0.1", "localhost", "[::1]"].iter().any(|host| authority == format!("{host}:{}", app.port)),
        Via::Shop => app.door.opened().is_some_and(|open| open.places().are(authority, open.ports.shop)),
    }
}

fn refusal(app: &App, via: Via, headers: &HeaderMap) -> Option<Problem> {
    let voice = Voice::default();
    let text = |name: HeaderName| headers.get(name).map(|v| v.to_str().unwrap_or("unreadable"));
    if !text(header::HOST).is_some_and(|h| ours(app, via, h)) {
        return Some(Problem::refused(match via {
            Via::Desk => say!(voice, "srv-server-answers-only-http-127001", port = app.port),
            Via::Shop => say!(voice, "srv-door-other-name"),
        }));
    }
    let scheme = if via == Via::Desk { "http://" } else { "https://" };
    let foreign = |origin: &str| !origin.strip_prefix(scheme).is_some_and(|a| ours(app, via, a));
    // What the browser itself says of where a request comes from: only our own pages, or an address typed in.
    let elsewhere = |site: &str| via == Via::Shop && matches!(site, "cross-site" | "same-site");
    let sent = headers.get("sec-fetch-mode").is_none_or(|mode| mode != "navigate");
    let refused = text(header::ORIGIN).is_some_and(foreign) || sent && text(HeaderName::from_static("sec-fetch-site")).is_some_and(elsewhere);
    refused.then(|| Problem::refused(say!(voice, "srv-requests-other-sites-not-answered")))
}

/// The device a request's cookie is of.
fn device(app: &App, headers: &HeaderMap) -> Option<Device> {
    let cookies = headers.get_all(header::COOKIE).iter().filter_map(|v| v.to_str().ok()).flat_map(|v| v.split(';'));
    let token = cookies.filter_map(|c| c.trim().split_once('=')).find(|(name, _)| *name == COOKIE)?.1;
    app.door.devices().of_token(token, chrono::Utc::now().timestamp())
}

/// Answered to a device, as far as it may ask.
async fn for_device(app: &App, device: Device, mut request: Request, next: Next) -> Response {
    let voice = Voice::default();
    if !may(device.role, request.method(), request.uri().path()) {
        return Problem::refused(say!(voice, "srv-door-role", name = &device.name)).into_response();
    }
    request.extensions_mut().insert(Who::Device(device.name));
    let under_way = app.door.under_way(&device.id);
    let Ok(place) = std::sync::Arc::clone(&under_way.room).try_acquire_owned() else {
        return Problem::too_many(say!(voice, "srv-door-too-many")).into_response();
    };
    let response = next.run(request).await;
    let streams = response.headers().get(header::CONTENT_TYPE).is_some_and(|kind| kind == "text/event-stream");
    if !streams {
        return response;
    }
    // A stream holds its place, and ends when the device is put out.
    let mut out = under_way.out.subscribe();
    response.map(|body| {
        let ended = Box::pin(async move {
            let _ = out.wait_for(|out| *out).await;
            drop(place);
        });
        Body::from_stream(body.into_data_stream().take_until(ended))
    })
}

/// Answered to who was not let in: the page to tell a code on, and nothing of the app.
async fn for_stranger(request: Request, next: Next) -> Response {
    let path = request.uri().path();
    if path == "/pair" {
        return next.run(request).await;
    }
    let page = request.headers().get(header::ACCEPT).and_then(|v| v.to_str().ok()).is_some_and(|accepts| accepts.contains("text/html"));
    if path == "/" && page { Redirect::to("/pair").into_response() } else { Problem::not_paired().into_response() }
}

/// Checks Host and Origin, who asks and what they may, and sets the headers every answer carries.
pub async fn guard(State((app, via)): State<(App, Via)>, mut request: Request, next: Next) -> Response {
    let nonce = uuid::Uuid::new_v4().simple().to_string();
    let refused = refusal(&app, via, request.headers());
    request.extensions_mut().insert(Nonce(nonce.clone()));
    request.extensions_mut().insert(via);
    request.extensions_mut().insert(Who::Desk);
    let mut response = match (refused, via) {
        (Some(problem), _) => problem.into_response(),
        (None, Via::Desk) => next.run(request).await,
        (None, Via::Shop) => match device(&app, request.headers()) {
            Some(device) => for_device(&app, device, request, next).await,
            None => for_stranger(request, next).await,
        },
    };
    let policy = format!(
        "default-src 'self'; script-src 'self'; style-src 'self' 'nonce-{nonce}'; style-src-attr 'unsafe-inline'; img-src 'self' data:; object-src 'none'; base-uri 'none'; frame-ancestors 'none'; form-action 'none'"
    );
    let headers = response.headers_mut();
    if let Ok(value) = HeaderValue::from_str(&policy) {
        headers.entry(header::CONTENT_SECURITY_POLICY).or_insert(value);
    }
    headers.insert(header::X_CONTENT_TYPE_OPTIONS, HeaderValue::from_static("nosniff"));
    headers.entry(header::REFERRER_POLICY).or_insert(HeaderValue::from_static("no-referrer"));
    response
}
