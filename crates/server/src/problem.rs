//! Problems as RFC 9457 JSON: every faulty field named, nothing leaked.

use crate::stored::{Failed, Unread};
use axum::http::{StatusCode, header};
use axum::response::{IntoResponse, Response};
use serde::Serialize;
use serde_json::Value;
use utoipa::ToSchema;
use yoke_core::faults::{Fault, clipped, plain_words};
use yoke_core::say;
use yoke_core::voice::Voice;
use yoke_store::StoreError;

/// The media type of a problem.
pub const PROBLEM: &str = "application/problem+json";

/// What went wrong, and where.
#[derive(Debug, Serialize, ToSchema)]
pub struct Problem {
    /// Stable name of the kind of problem.
    #[serde(rename = "type")]
    pub kind: &'static str,
    /// The kind in words.
    pub title: String,
    /// HTTP status.
    pub status: u16,
    /// What happened and what would be right.
    pub detail: String,
    /// Every faulty field.
    #[serde(skip_serializing_if = "Vec::is_empty")]
    pub faults: Vec<Fault>,
    /// The newer job, when what was sent is stale.
    #[serde(skip_serializing_if = "Option::is_none")]
    #[schema(value_type = Option<Object>)]
    pub current: Option<Value>,
}

impl Problem {
    fn new(status: StatusCode, kind: &'static str, title: impl Into<String>, detail: impl Into<String>) -> Self {
        Self { kind, title: title.into(), status: status.as_u16(), detail: detail.into(), faults: Vec::new(), current: None }
    }

    /// Some fields are faulty.
    pub fn faulty(faults: Vec<Fault>) -> Self {
        let detail = faults.iter().map(|f| f.detail.as_str()).collect::<Vec<_>>().join("; ");
        Self {
            faults,
            ..Self::new(StatusCode::UNPROCESSABLE_ENTITY, "/problems/faulty-fields", say!(Voice::default(), "srv-some-fields-need-mending"), detail)
        }
    }

    /// One field is faulty.
    pub fn fault(pointer: &str, detail: impl Into<String>) -> Self {
        Self::faulty(vec![Fault::new(pointer, detail)])
    }

    /// Not JSON at all.
    pub fn unreadable(detail: impl Into<String>) -> Self {
        Self::new(StatusCode::BAD_REQUEST, "/problems/unreadable", say!(Voice::default(), "srv-request-not-json"), detail)
    }

    /// There is no such thing.
    pub fn missing(what: &str) -> Self {
        Self::new(StatusCode::NOT_FOUND, "/problems/missing", say!(Voice::default(), "srv-not-here"), say!(Voice::default(), "srv-there-no", what = &what))
    }

    /// What was sent was made from an older state, or stands against what is recorded.
    pub fn conflict(kind: &'static str, detail: impl Into<String>, current: Option<Value>) -> Self {
        Self { current, ..Self::new(StatusCode::CONFLICT, kind, say!(Voice::default(), "srv-overtaken"), detail) }
    }

    /// Something was changed since the sender saw it; `now` is how it stands.
    pub fn stale(what: &str, now: &impl Serialize) -> Self {
        let detail = say!(Voice::default(), "srv-changed-meanwhile", what = what);
        Self::conflict("/problems/stale", detail, serde_json::to_value(now).ok())
    }

    /// A header the request must carry.
    pub fn precondition(detail: impl Into<String>) -> Self {
        Self::new(StatusCode::PRECONDITION_REQUIRED, "/problems/precondition", say!(Voice::default(), "srv-revision-needed"), detail)
    }

    /// The request came from somewhere it should not.
    pub fn refused(detail: impl Into<String>) -> Self {
        Self::new(StatusCode::FORBIDDEN, "/problems/refused", say!(Voice::default(), "srv-refused"), detail)
    }

    /// Who asks was not let in.
    pub fn not_paired() -> Self {
        let voice = Voice::default();
        Self::new(StatusCode::UNAUTHORIZED, "/problems/not-paired", say!(voice, "srv-not-paired"), say!(voice, "srv-not-paired-pair"))
    }

    /// So much at once is not taken.
    pub fn too_many(detail: impl Into<String>) -> Self {
        Self::new(StatusCode::TOO_MANY_REQUESTS, "/problems/too-many", say!(Voice::default(), "srv-refused"), detail)
    }

    /// Our own fault.
    pub fn internal(detail: impl Into<String>) -> Self {
        Self::new(StatusCode::INTERNAL_SERVER_ERROR, "/problems/internal", say!(Voice::default(), "srv-something-failed-here"), detail)
    }
}

impl From<StoreError> for Problem {
    fn from(error: StoreError) -> Self {
        tracing::error!(%error, "store");
        Self::new(
            StatusCode::INTERNAL_SERVER_ERROR,
            "/problems/not-saved",
            say!(Voice::default(), "srv-not-saved"),
            say!(Voice::default(), "srv-nothing-changed", error = error.to_string()),
        )
    }
}

impl From<Unread> for Problem {
    fn from(unread: Unread) -> Self {
        tracing::error!("{}", unread.detail);
        Self { title: say!(Voice::default(), "srv-kept-does-not-read"), ..Self::conflict("/problems/unread", unread.detail, None) }
    }
}

impl From<Failed> for Problem {
    fn from(failed: Failed) -> Self {
        match failed {
            Failed::Store(error) => error.into(),
            Failed::Unread(unread) => unread.into(),
        }
    }
}

impl From<serde_json::Error> for Problem {
    fn from(error: serde_json::Error) -> Self {
        Self::internal(format!("what is stored does not read: {error}"))
    }
}

impl IntoResponse for Problem {
    fn into_response(self) -> Response {
        let status = StatusCode::from_u16(self.status).unwrap_or(StatusCode::INTERNAL_SERVER_ERROR);
        // What was sent comes back short: nobody reads a page of it in an answer.
        let faults = self.faults.iter().map(|f| Fault::new(clipped(&f.pointer), clipped(&f.detail))).collect();
        let body = serde_json::to_string(&Self { detail: clipped(&self.detail), faults, ..self }).unwrap_or_else(|_| "{}".to_owned());
        (status, [(header::CONTENT_TYPE, PROBLEM)], body).into_response()
    }
}

/// Gives every refusal of the frame itself (no such way of asking, too large, a query or a path that does not read) the form of all others.
pub async fn as_problem(response: Response) -> Response {
    let status = response.status();
    // Our own problems, and the page a device tells its code on.
    let own = |kind: &axum::http::HeaderValue| kind == PROBLEM || kind.as_bytes().starts_with(b"text/html");
    let ours = response.headers().get(header::CONTENT_TYPE).is_some_and(own);
    if !(status.is_client_error() || status.is_server_error()) || ours {
        return response;
    }
    let (parts, body) = response.into_parts();
    let said = axum::body::to_bytes(body, 4096).await.map(|b| String::from_utf8_lossy(&b).into_owned()).unwrap_or_default();
    let mut answer = worded(status, &said).into_response();
    if let Some(allow) = parts.headers.get(header::ALLOW) {
        answer.headers_mut().insert(header::ALLOW, allow.clone());
    }
    answer
}

/// What the frame refused, in plain words.
fn worded(status: StatusCode, said: &str) -> Problem {
    match status {
        StatusCode::METHOD_NOT_ALLOWED => {
            Problem::new(status, "/problems/method", say!(Voice::default(), "srv-not-asked-so"), say!(Voice::default(), "srv-address-not-asked-way-allow"))
        }
        StatusCode::PAYLOAD_TOO_LARGE => {
            Problem::new(status, "/problems/too-large", say!(Voice::default(), "srv-too-large"), say!(Voice::default(), "srv-sent-larger-than-taken-here"))
        }
        StatusCode::REQUEST_TIMEOUT => {
            Problem::new(status, "/problems/too-slow", say!(Voice::default(), "srv-too-slow"), say!(Voice::default(), "srv-sent-did-not-come-time"))
        }
        StatusCode::BAD_REQUEST => match said.split_once("query string: ") {
            Some((_, why)) => {
                let (field, why) = why.split_once(": ").map_or(("", why), |(field, why)| (field, why));
                let at = if field.is_empty() || field.contains(' ') { String::new() } else { format!("/{field}") };
                let fault = Fault::new(at, say!(Voice::default(), "srv-query-does-not-read", why = plain_words(why)));
                Problem {
                    faults: vec![fault],
                    ..Problem::new(
                        status,
                        "/problems/unreadable",
                        say!(Voice::default(), "srv-request-does-not-read"),
                        say!(Voice::default(), "srv-query-does-not-read-2"),
                    )
                }
            }
            None => Problem::new(
                status,
                "/problems/unreadable",
                say!(Voice::default(), "srv-request-does-not-read"),
                say!(Voice::default(), "srv-address-body-does-not-read"),
            ),
        },
        _ => Problem::new(
            status,
            "/problems/refused",
            say!(Voice::default(), "srv-refused"),
            if said.is_empty() { say!(Voice::default(), "srv-request-refused") } else { said.to_owned() },
        ),
    }
}

/// The answer to a request whose handler panicked.
pub fn panicked() -> Response {
    Problem::internal(say!(Voice::default(), "srv-request-could-not-answered-nothing")).into_response()
}
