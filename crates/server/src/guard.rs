//! The door: only our own Host and Origin, and a policy that lets nothing else in.

use crate::problem::Problem;
use crate::state::App;
use axum::extract::{Request, State};
use axum::http::{HeaderMap, HeaderName, HeaderValue, header};
use axum::middleware::Next;
use axum::response::{IntoResponse, Response};
use yoke_core::say;
use yoke_core::voice::Voice;

/// One nonce a page load, for the styles the interface library writes.
#[derive(Clone)]
pub struct Nonce(pub String);

fn ours(authority: &str, port: u16) -> bool {
    ["127.0.0.1", "localhost", "[::1]"].iter().any(|host| authority == format!("{host}:{port}"))
}

fn refusal(headers: &HeaderMap, port: u16) -> Option<Problem> {
    let text = |name: HeaderName| headers.get(name).map(|v| v.to_str().unwrap_or("unreadable"));
    if !text(header::HOST).is_some_and(|h| ours(h, port)) {
        return Some(Problem::refused(say!(Voice::default(), "srv-server-answers-only-http-127001", port = &port)));
    }
    match text(header::ORIGIN) {
        Some(origin) if !origin.strip_prefix("http://").is_some_and(|a| ours(a, port)) => {
            Some(Problem::refused(say!(Voice::default(), "srv-requests-other-sites-not-answered")))
        }
        _ => None,
    }
}

/// Checks Host and Origin, and sets the headers every answer carries.
pub async fn guard(State(app): State<App>, mut request: Request, next: Next) -> Response {
    let nonce = uuid::Uuid::new_v4().simple().to_string();
    let mut response = match refusal(request.headers(), app.port) {
        Some(problem) => problem.into_response(),
        None => {
            request.extensions_mut().insert(Nonce(nonce.clone()));
            next.run(request).await
        }
    };
    let policy = format!(
        "default-src 'self'; script-src 'self'; style-src 'self' 'nonce-{nonce}'; style-src-attr 'unsafe-inline'; img-src 'self' data:; object-src 'none'; base-uri 'none'; frame-ancestors 'none'; form-action 'none'"
    );
    let headers = response.headers_mut();
    if let Ok(value) = HeaderValue::from_str(&policy) {
        headers.insert(header::CONTENT_SECURITY_POLICY, value);
    }
    headers.insert(header::X_CONTENT_TYPE_OPTIONS, HeaderValue::from_static("nosniff"));
    headers.insert(header::REFERRER_POLICY, HeaderValue::from_static("no-referrer"));
    response
}
