//! By which door a request comes in, and what a device of a role may ask.

use super::devices::Role;
use axum::http::Method;

/// By which door a request came in.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Via {
    /// This machine's own.
    Desk,
    /// The shop's network.
    Shop,
}

/// The door's own routes: nobody's but the desk's.
const DOOR: &str = "/api/v1/door";
/// What only reckons: it changes nothing, whoever asks.
const RECKONS: [&str; 8] = ["plan", "callout", "gauge", "identify", "length", "scratch", "instruments/point", "day"];
/// What belongs to work at the lathe.
const WORK: [&str; 3] = ["jobs", "day", "notices"];

/// Whether a role may ask so.
pub fn may(role: Role, method: &Method, path: &str) -> bool {
    if path == DOOR || path.starts_with("/api/v1/door/") {
        return false;
    }
    let safe = matches!(*method, Method::GET | Method::HEAD);
    let of = path.strip_prefix("/api/v1/").unwrap_or_default();
    let reckons = *method == Method::POST && RECKONS.contains(&of);
    // A figure of one's own tried on a job, and a drill begun, are reckoned too.
    let tried = *method == Method::POST && of.starts_with("jobs/") && of.ends_with("/own-figure");
    let first = of.split('/').next().unwrap_or_default();
    let winding = of.starts_with("lathes/") && of.contains("/instruments/wound/");
    match role {
        Role::Sees => safe || reckons || tried,
        Role::Works => safe || reckons || WORK.contains(&first) || winding,
        Role::Everything => true,
    }
}
