//! Answers the browser saves as a file.

use axum::body::Body;
use axum::http::header;
use axum::response::{IntoResponse, Response};

/// A sheet of comma-separated values.
pub const CSV: &str = "text/csv; charset=utf-8";

/// An answer of a kind, to be saved under a name.
pub fn saved_as(name: &str, kind: &'static str, body: impl Into<Body>) -> Response {
    let disposition = format!("attachment; filename=\"{name}\"");
    ([(header::CONTENT_TYPE, kind.to_owned()), (header::CONTENT_DISPOSITION, disposition)], body.into()).into_response()
}
