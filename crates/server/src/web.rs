//! The web app, as the binary carries it.

use crate::guard::Nonce;
use crate::problem::Problem;
use crate::state::App;
use axum::Extension;
use axum::extract::State;
use axum::http::{StatusCode, Uri, header};
use axum::response::{IntoResponse, Response};

/// Where the page's nonce goes; index.html carries it in a meta element.
const NONCE_MARK: &str = "__NONCE__";

/// A file of the app; any other path is the page itself, so that a station can be reloaded.
pub async fn asset(State(app): State<App>, Extension(Nonce(nonce)): Extension<Nonce>, uri: Uri) -> Response {
    let path = uri.path().trim_start_matches('/');
    if path.starts_with("api/") {
        return Problem::missing("address").into_response();
    }
    if let Some(file) = (app.files)(path).filter(|_| path != "index.html") {
        let kind = mime_guess::from_path(path).first_or_octet_stream();
        // Built files carry a hash of their content in their name.
        let keep = if path.starts_with("assets/") { "public, max-age=31536000, immutable" } else { "no-cache" };
        return ([(header::CONTENT_TYPE, kind.as_ref().to_owned()), (header::CACHE_CONTROL, keep.to_owned())], file).into_response();
    }
    if path.starts_with("assets/") {
        return Problem::missing("file").into_response();
    }
    match (app.files)("index.html") {
        Some(page) => {
            let page = String::from_utf8_lossy(&page).replace(NONCE_MARK, &nonce);
            ([(header::CONTENT_TYPE, "text/html; charset=utf-8"), (header::CACHE_CONTROL, "no-store")], page).into_response()
        }
        None => (StatusCode::SERVICE_UNAVAILABLE, "The web app is not built into this binary. Run: cargo xtask demo").into_response(),
    }
}
