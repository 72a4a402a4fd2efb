//! The two pages that are not of the app: where an authority is had over plain HTTP, and where a device tells its code. Nothing else of what
//! is here is in them.

use super::devices::{NAME, named};
use super::held::Open;
use super::held::{addresses, trusted_at};
use super::pairing::Told;
use super::who::Via;
use crate::state::App;
use axum::body::Bytes;
use axum::extract::{Query, State};
use axum::http::{HeaderValue, StatusCode, header};
use axum::response::{Html, IntoResponse, Response};
use axum::routing::get;
use axum::{Extension, Form, Router};
use qrcode::QrCode;
use serde::Deserialize;
use std::sync::Arc;
use std::time::Instant;
use yoke_core::say;
use yoke_core::voice::Voice;

/// The cookie a device keeps its token in.
pub const COOKIE: &str = "__Host-yoke";
/// As long as browsers keep one, s.
const KEPT_S: u32 = 34_560_000;
const TRUST: &str = concat!(include_str!("head.html"), include_str!("trust.html"));
const PAIR: &str = concat!(include_str!("head.html"), include_str!("pair.html"));

fn escaped(text: &str) -> String {
    text.replace('&', "&amp;").replace('<', "&lt;").replace('>', "&gt;").replace('"', "&quot;")
}

fn filled(page: &str, parts: &[(&str, &str)]) -> Html<String> {
    Html(parts.iter().fold(page.to_owned(), |page, (name, text)| page.replace(&format!("{{{name}}}"), &escaped(text))))
}

/// The router of the plain port: the authority, how to trust it, and nothing else.
pub fn trust(open: Arc<Open>) -> Router {
    let page = |State(open): State<Arc<Open>>| async move {
        let voice = Voice::default();
        let at = addresses(&open).into_iter().nth(1).unwrap_or_default();
        let parts = [
            ("title", say!(voice, "srv-trust-title")),
            ("why", say!(voice, "srv-trust-why")),
            ("get", say!(voice, "srv-trust-get")),
            ("compare", say!(voice, "srv-trust-compare")),
            ("fingerprint", open.authority.fingerprint()),
            ("tablet", say!(voice, "srv-trust-tablet")),
            ("apple", say!(voice, "srv-trust-apple")),
            ("desk", say!(voice, "srv-trust-desk")),
            ("then", say!(voice, "srv-trust-then")),
            ("at", at),
        ];
        filled(TRUST, &parts.each_ref().map(|(name, text)| (*name, text.as_str())))
    };
    let file = |State(open): State<Arc<Open>>| async move {
        let name = HeaderValue::from_static("attachment; filename=\"yoke-turn-authority.crt\"");
        let kind = HeaderValue::from_static("application/x-x509-ca-cert");
        ([(header::CONTENT_TYPE, kind), (header::CONTENT_DISPOSITION, name)], Bytes::copy_from_slice(open.authority.der()))
    };
    let close = |mut response: Response| async {
        let policy = HeaderValue::from_static("default-src 'none'; style-src 'unsafe-inline'; frame-ancestors 'none'; base-uri 'none'");
        response.headers_mut().insert(header::CONTENT_SECURITY_POLICY, policy);
        response.headers_mut().insert(header::X_CONTENT_TYPE_OPTIONS, HeaderValue::from_static("nosniff"));
        response
    };
    Router::new().route("/", get(page)).route("/authority.crt", get(file)).layer(axum::middleware::map_response(close)).with_state(open)
}

/// What a device tells of itself.
#[derive(Debug, Default, Deserialize)]
#[serde(default)]
pub struct Paired {
    code: String,
    name: String,
}

fn pair_page(status: StatusCode, wrong: &str, told: &Paired) -> Response {
    let voice = Voice::default();
    let parts = [
        ("title", say!(voice, "srv-pair-title")),
        ("how", say!(voice, "srv-pair-how")),
        ("wrong", wrong.to_owned()),
        ("code-says", say!(voice, "srv-pair-code")),
        ("name-says", say!(voice, "srv-pair-name")),
        ("in", say!(voice, "srv-pair-in")),
        ("code", told.code.chars().take(20).collect()),
        ("name", told.name.chars().take(NAME).collect()),
    ];
    let page = filled(PAIR, &parts.each_ref().map(|(name, text)| (*name, text.as_str())));
    let policy = "default-src 'none'; style-src 'unsafe-inline'; form-action 'self'; frame-ancestors 'none'; base-uri 'none'";
    // With no referrer at all its own form would come from nowhere.
    let own = [(header::CACHE_CONTROL, "no-store"), (header::CONTENT_SECURITY_POLICY, policy), (header::REFERRER_POLICY, "same-origin")];
    (status, own, page).into_response()
}

/// The page a device tells its code on; of the desk there is none.
pub async fn pair(Extension(via): Extension<Via>, told: Query<Paired>) -> Response {
    if via == Via::Desk { StatusCode::NOT_FOUND.into_response() } else { pair_page(StatusCode::OK, "", &told) }
}

/// A code told: the right one lets the device in.
pub async fn told(State(app): State<App>, Extension(via): Extension<Via>, Form(told): Form<Paired>) -> Response {
    if via == Via::Desk {
        return StatusCode::NOT_FOUND.into_response();
    }
    let voice = Voice::default();
    let name = told.name.trim().to_owned();
    if !named(&name) {
        return pair_page(StatusCode::UNPROCESSABLE_ENTITY, &say!(voice, "srv-door-name", most = NAME), &told);
    }
    let came = app.door.pairing().told(&told.code, Instant::now());
    let role = match came {
        Told::Right(role) => role,
        Told::Wrong(wait) => {
            tokio::time::sleep(wait).await;
            return pair_page(StatusCode::FORBIDDEN, &say!(voice, "srv-pair-wrong"), &Paired { code: String::new(), name });
        }
        Told::Shut => return pair_page(StatusCode::TOO_MANY_REQUESTS, &say!(voice, "srv-pair-shut"), &Paired { code: String::new(), name }),
    };
    let token = format!("{}{}", uuid::Uuid::new_v4().simple(), uuid::Uuid::new_v4().simple());
    let added = app.door.devices().add((uuid::Uuid::new_v4().to_string(), &token), &name, role, chrono::Utc::now().timestamp());
    if let Err(why) = added {
        return pair_page(StatusCode::INTERNAL_SERVER_ERROR, &why, &told);
    }
    let cookie = format!("{COOKIE}={token}; Path=/; Secure; HttpOnly; SameSite=Strict; Max-Age={KEPT_S}");
    (StatusCode::SEE_OTHER, [(header::SET_COOKIE, cookie), (header::LOCATION, "/".to_owned())]).into_response()
}

/// What the terminal says of a door just opened.
pub fn terminal(open: &Open) -> String {
    let addresses = addresses(open);
    let trust = trusted_at(open);
    let drawn = QrCode::new(trust.as_bytes()).map(|code| code.render::<qrcode::render::unicode::Dense1x2>().build()).unwrap_or_default();
    let mut says = format!("The shop's network has it at {}\n", addresses.join(" "));
    says += &format!("A tablet begins at {trust}\n{drawn}\nThere it compares this fingerprint of the shop's authority:\n{}\n", open.authority.fingerprint());
    says + "Its pairing code is given at the desk: Shop, The shop's network.\n"
}
