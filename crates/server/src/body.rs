//! What a request brings: its body as JSON, read into its type with every fault, and the revision it was made from.

use crate::problem::Problem;
use axum::body::Bytes;
use axum::extract::{FromRequest, FromRequestParts, Request};
use axum::http::header;
use axum::http::request::Parts;
use axum::response::{IntoResponse, Response};
use serde::de::DeserializeOwned;
use serde_json::Value;
use yoke_core::faults::{Fault, read_json, read_value};
use yoke_core::say;
use yoke_core::voice::Voice;

/// A body as JSON, whatever its content type says.
pub struct JsonBody(pub Value);

impl<S: Send + Sync> FromRequest<S> for JsonBody {
    type Rejection = Response;

    async fn from_request(request: Request, state: &S) -> Result<Self, Response> {
        let body = Bytes::from_request(request, state).await.map_err(IntoResponse::into_response)?;
        read_value(&body).map(Self).map_err(|e| Problem::unreadable(e.to_string()).into_response())
    }
}

/// A body read into its type as far as it reads, with every fault found in it.
pub struct Sent<T> {
    /// What was read; the parts that did not read are as if they were absent.
    pub read: T,
    /// What did not read.
    pub faults: Vec<Fault>,
}

impl<T: DeserializeOwned + Default, S: Send + Sync> FromRequest<S> for Sent<T> {
    type Rejection = Response;

    async fn from_request(request: Request, state: &S) -> Result<Self, Response> {
        let JsonBody(value) = JsonBody::from_request(request, state).await?;
        let (read, faults) = read_json::<T>(value);
        Ok(Self { read, faults })
    }
}

/// The revision a change was made from, as `If-Match` says.
pub struct Revision(pub i64);

impl<S: Send + Sync> FromRequestParts<S> for Revision {
    type Rejection = Problem;

    async fn from_request_parts(parts: &mut Parts, _: &S) -> Result<Self, Problem> {
        let asked = parts.headers.get(header::IF_MATCH).and_then(|v| v.to_str().ok()).and_then(|v| v.trim_matches('"').parse::<i64>().ok());
        asked.map(Self).ok_or_else(|| Problem::precondition(say!(Voice::default(), "srv-send-if-match-revision-change")))
    }
}
