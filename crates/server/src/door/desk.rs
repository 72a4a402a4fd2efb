//! The door as the desk has it: opened and shut, codes given, devices named and put out. Nobody else is answered here.

use super::devices::{Device, MOST, NAME, Role, named};
use super::held::{addresses, first, trusted_at};
use super::opening::{open, shut};
use crate::body::Sent;
use crate::problem::Problem;
use crate::state::App;
use axum::Json;
use axum::extract::{Path, State};
use axum::http::StatusCode;
use qrcode::QrCode;
use serde::{Deserialize, Serialize};
use std::time::Instant;
use utoipa::ToSchema;
use yoke_core::faults::Fault;
use yoke_core::say;
use yoke_core::voice::Voice;

/// The door.
#[derive(Serialize, ToSchema)]
pub struct DoorView {
    /// Whether it is open to the shop's network.
    open: bool,
    /// Where the app is, by name and by each address; none where it is shut.
    addresses: Vec<String>,
    /// Where the authority is to be had; none where it is shut.
    #[serde(skip_serializing_if = "Option::is_none")]
    trust: Option<DoorAt>,
    /// SHA-256 of the authority, to be compared on two screens.
    #[serde(skip_serializing_if = "Option::is_none")]
    fingerprint: Option<String>,
    /// The code that is good now.
    #[serde(skip_serializing_if = "Option::is_none")]
    code: Option<CodeView>,
    /// Minutes it stays shut to codes, after too many wrong ones.
    #[serde(skip_serializing_if = "Option::is_none")]
    shut_min: Option<u64>,
    /// Every device let in.
    devices: Vec<DeviceView>,
}

/// An address, and the same as a picture to be photographed.
#[derive(Serialize, ToSchema)]
pub struct DoorAt {
    /// The address.
    at: String,
    /// It as an SVG.
    picture: String,
}

/// A code to pair by.
#[derive(Serialize, ToSchema)]
pub struct CodeView {
    /// As it is read: two times four digits.
    code: String,
    /// Seconds it is good still.
    good_s: u64,
    /// Where it is told, the code with it.
    told: DoorAt,
}

/// A device let in.
#[derive(Serialize, ToSchema)]
pub struct DeviceView {
    /// Its own.
    id: String,
    /// What it is called.
    name: String,
    /// What it may do.
    role: Role,
    /// When it was last seen, UTC.
    seen: String,
}

/// Open or shut.
#[derive(Debug, Clone, Default, Deserialize, ToSchema)]
#[serde(default, deny_unknown_fields)]
pub struct DoorBody {
    /// Open.
    open: bool,
}

/// What a new code lets in.
#[derive(Debug, Clone, Default, Deserialize, ToSchema)]
#[serde(default, deny_unknown_fields)]
pub struct CodeBody {
    /// What the device may do; to work at the lathe where that is not said.
    role: Option<Role>,
}

/// What is changed of a device.
#[derive(Debug, Clone, Default, Deserialize, ToSchema)]
#[serde(default, deny_unknown_fields)]
pub struct DeviceBody {
    /// What it is called.
    name: Option<String>,
    /// What it may do.
    role: Option<Role>,
}

/// A text as a picture of squares.
pub fn pictured(at: String) -> DoorAt {
    let drawn = QrCode::new(at.as_bytes()).map(|code| code.render::<qrcode::render::svg::Color<'_>>().min_dimensions(220, 220).build());
    DoorAt { picture: drawn.unwrap_or_default(), at }
}

fn view(app: &App) -> DoorView {
    let (door, now) = (&app.door, Instant::now());
    let opened = door.opened();
    let pairing = door.pairing();
    let code = opened.as_ref().and_then(|open| {
        let (code, left) = pairing.good(now)?;
        let told = format!("https://{}:{}/pair?code={code}", first(open), open.ports.shop);
        Some(CodeView { code: format!("{} {}", &code[..4], &code[4..]), good_s: left.as_secs(), told: pictured(told) })
    });
    DoorView {
        open: opened.is_some(),
        addresses: opened.as_deref().map(addresses).unwrap_or_default(),
        trust: opened.as_deref().map(|open| pictured(trusted_at(open))),
        fingerprint: opened.as_deref().map(|open| open.authority.fingerprint()),
        code,
        shut_min: pairing.shut(now).map(|left| left.as_secs().div_ceil(60)),
        devices: door.devices().all().iter().map(DeviceView::of).collect(),
    }
}

impl DeviceView {
    fn of(device: &Device) -> Self {
        let seen = chrono::DateTime::from_timestamp(device.seen_s, 0).map(|t| t.to_rfc3339_opts(chrono::SecondsFormat::Secs, true)).unwrap_or_default();
        Self { id: device.id.clone(), name: device.name.clone(), role: device.role, seen }
    }
}

/// The door as it stands.
#[utoipa::path(get, path = "/api/v1/door", responses((status = 200, body = DoorView)))]
pub async fn door(State(app): State<App>) -> Json<DoorView> {
    Json(view(&app))
}

/// Opened to the shop's network, or shut; kept for the next start.
#[utoipa::path(put, path = "/api/v1/door", request_body = DoorBody, responses((status = 200, body = DoorView), (status = 422, body = Problem)))]
pub async fn turn(State(app): State<App>, Sent { read, faults }: Sent<DoorBody>) -> Result<Json<DoorView>, Problem> {
    if !faults.is_empty() {
        return Err(Problem::faulty(faults));
    }
    if read.open {
        open(&app).await.map_err(|why| Problem::fault("/open", why))?;
    } else {
        shut(&app).await;
    }
    app.door.devices().open_at_start(read.open).map_err(Problem::internal)?;
    Ok(Json(view(&app)))
}

/// A new pairing code, the one before it good no more; one given here opens the door again to codes.
#[utoipa::path(post, path = "/api/v1/door/code", request_body = CodeBody, responses((status = 200, body = DoorView), (status = 422, body = Problem)))]
pub async fn code(State(app): State<App>, Sent { read, faults }: Sent<CodeBody>) -> Result<Json<DoorView>, Problem> {
    if !faults.is_empty() {
        return Err(Problem::faulty(faults));
    }
    if app.door.opened().is_none() {
        return Err(Problem::fault("", say!(Voice::default(), "srv-door-shut")));
    }
    if app.door.devices().all().len() >= MOST {
        return Err(Problem::fault("", say!(Voice::default(), "srv-door-full", most = MOST)));
    }
    {
        let mut pairing = app.door.pairing();
        pairing.open();
        pairing.give(read.role.unwrap_or(Role::Works), uuid::Uuid::new_v4().as_u128(), Instant::now());
    }
    Ok(Json(view(&app)))
}

/// A device is called otherwise, or may do otherwise.
#[utoipa::path(put, path = "/api/v1/door/devices/{id}", params(("id" = String, Path)), request_body = DeviceBody,
    responses((status = 200, body = DoorView), (status = 404, body = Problem), (status = 422, body = Problem)))]
pub async fn change_device(State(app): State<App>, Path(id): Path<String>, Sent { read, mut faults }: Sent<DeviceBody>) -> Result<Json<DoorView>, Problem> {
    let name = read.name.map(|name| name.trim().to_owned());
    if name.as_ref().is_some_and(|name| !named(name)) {
        faults.push(Fault::new("/name", say!(Voice::default(), "srv-door-name", most = NAME)));
    }
    if !faults.is_empty() {
        return Err(Problem::faulty(faults));
    }
    let changed = app.door.devices().change(&id, |device| {
        device.name = name.unwrap_or_else(|| device.name.clone());
        device.role = read.role.unwrap_or(device.role);
    });
    if changed.map_err(Problem::internal)? { Ok(Json(view(&app))) } else { Err(Problem::missing("device")) }
}

/// A device is put out, at once.
#[utoipa::path(delete, path = "/api/v1/door/devices/{id}", params(("id" = String, Path)), responses((status = 204), (status = 404, body = Problem)))]
pub async fn put_out(State(app): State<App>, Path(id): Path<String>) -> Result<StatusCode, Problem> {
    if app.door.put_out(&id).map_err(Problem::internal)? { Ok(StatusCode::NO_CONTENT) } else { Err(Problem::missing("device")) }
}
