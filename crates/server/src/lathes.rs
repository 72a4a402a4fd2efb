//! The lathes of the shop: described part by part under a revision, duplicated, put away and brought back, read and
//! written as JSON and as sheets.

use crate::body::{JsonBody, Revision, Sent};
use crate::download::{CSV, saved_as};
use crate::jobs::merge;
use crate::problem::Problem;
use crate::state::{App, JobChanged};
use crate::stored::{self, Document, Failed, carried, without};
use crate::voice::Asked;
use axum::Json;
use axum::body::Bytes;
use axum::extract::{Path, Query, State};
use axum::http::StatusCode;
use axum::response::IntoResponse;
use serde::{Deserialize, Serialize};
use serde_json::{Value, json};
use utoipa::{IntoParams, ToSchema};
use yoke_core::faults::{Fault, read_json};
use yoke_core::job::{Lathe, LatheProfile, checked};
use yoke_core::say;
use yoke_core::shop::{Ask, LatheDescription, answer, gears_from_csv, gears_to_csv, keep_sources, look, plate_from_csv, plate_to_csv, put, remember_trains};
use yoke_core::voice::Voice;
use yoke_store::{Changed, LatheRow, Store};

/// A lathe as its owner sees it.
#[derive(Serialize, ToSchema)]
pub struct LatheView {
    /// Stable name.
    id: String,
    /// Goes up with every change.
    revision: i64,
    /// When it was put away.
    #[serde(skip_serializing_if = "Option::is_none")]
    away: Option<String>,
    /// As it was told.
    #[schema(value_type = LatheProfile)]
    profile: Value,
    /// Part by part, in words and drawn.
    #[serde(skip_serializing_if = "Option::is_none")]
    said: Option<LatheDescription>,
    /// Titles of the jobs that stand on it.
    jobs: Vec<String>,
}

fn view(store: &Store, row: LatheRow, voice: Asked) -> Result<LatheView, Failed> {
    let Document { read, whole: profile, .. } = stored::lathe(&row)?;
    let said = look(&read, voice.of_lathe(&profile)).ok();
    // A job whose facts do not read says so where it is opened.
    let on_it = |job: &yoke_store::JobRow| stored::request(job).is_ok_and(|r| r.read.lathe_id.as_ref() == Some(&row.id));
    let jobs = store.jobs()?.into_iter().filter(on_it).map(|j| j.title).collect();
    Ok(LatheView { id: row.id, revision: row.revision, away: row.away, profile, said, jobs })
}

/// A lathe's profile, its id set, once every field of it is sound; those of a newer version that were kept before are let be.
fn sound(mut body: Value, id: &str, newer: &[String], voice: Voice) -> Result<Value, Vec<Fault>> {
    let (profile, mut faults) = read_json::<LatheProfile>(without(body.clone(), newer));
    faults.extend(checked(&profile, voice).err().into_iter().flatten());
    if let (true, Value::Object(map)) = (faults.is_empty(), &mut body) {
        map.insert("id".into(), json!(id));
    }
    if faults.is_empty() { Ok(body) } else { Err(faults) }
}

/// A stored lathe, as it was told, with its revision.
async fn told(app: &App, id: String) -> Result<(Document<LatheProfile>, i64), Problem> {
    let row = app.with_store(move |s| Ok(s.lathe(&id)?)).await?.ok_or_else(|| Problem::missing("lathe"))?;
    Ok((stored::lathe(&row)?, row.revision))
}

/// The profile of a stored lathe.
pub async fn profile(app: &App, id: String) -> Result<LatheProfile, Problem> {
    Ok(told(app, id).await?.0.read)
}

/// The profile of a stored lathe, and the lathe it is reckoned with as.
async fn both(app: &App, id: String) -> Result<(LatheProfile, Lathe), Problem> {
    let profile = profile(app, id).await?;
    let lathe = checked(&profile, Voice::default()).map_err(Problem::faulty)?.lathe;
    Ok((profile, lathe))
}

/// A lathe as it is reckoned with, by its id.
pub async fn stored(app: &App, id: String) -> Result<Lathe, Problem> {
    Ok(both(app, id).await?.1)
}

/// Which lathes are listed.
#[derive(Deserialize, IntoParams)]
#[into_params(parameter_in = Query)]
pub struct Listed {
    /// Those put away, in place of those that stand in the shop.
    #[serde(default)]
    away: bool,
}

/// All lathes, as they were told.
#[utoipa::path(get, path = "/api/v1/lathes", params(Listed), responses((status = 200, body = Vec<LatheProfile>)))]
pub async fn lathes(State(app): State<App>, Query(listed): Query<Listed>) -> Result<Json<Vec<Value>>, Problem> {
    let rows = app.with_store(|s| Ok(s.lathes()?)).await?;
    let wanted = rows.iter().filter(|r| r.away.is_some() == listed.away);
    Ok(Json(wanted.map(|r| stored::lathe(r).map(|d| d.whole)).collect::<Result<_, _>>()?))
}

/// One lathe as it was told: what [`put_lathe`] takes.
#[utoipa::path(get, path = "/api/v1/lathes/{id}", params(("id" = String, Path)), responses((status = 200, body = LatheProfile), (status = 404, body = Problem)))]
pub async fn lathe(State(app): State<App>, Path(id): Path<String>) -> Result<Json<Value>, Problem> {
    Ok(Json(told(&app, id).await?.0.whole))
}

/// Adds or replaces a lathe. What a newer version told of the one it replaces stays, as with any other change of it.
#[utoipa::path(put, path = "/api/v1/lathes/{id}", params(("id" = String, Path)), request_body = LatheProfile, responses((status = 200, body = LatheProfile), (status = 422, body = Problem)))]
pub async fn put_lathe(State(app): State<App>, voice: Asked, Path(id): Path<String>, JsonBody(body): JsonBody) -> Result<Json<Value>, Problem> {
    let plain = !id.is_empty() && id.len() <= 40 && id.bytes().all(|b| b.is_ascii_lowercase() || b.is_ascii_digit() || b == b'-');
    let of = id.clone();
    // One that does not read is replaced by what is told now.
    let before = app.with_store(move |s| Ok(s.lathe(&of)?.and_then(|row| stored::lathe(&row).ok()))).await?;
    let newer = before.as_ref().map_or(&[][..], |b| &b.unknown);
    let read = sound(body, &id, newer, voice.plain());
    let mut faults = read.as_ref().err().cloned().unwrap_or_default();
    if !plain {
        faults.push(Fault::new("/id", say!(Voice::default(), "srv-lathes-id-1-40-small")));
    }
    let (Ok(profile), true) = (read, faults.is_empty()) else { return Err(Problem::faulty(faults)) };
    let profile = match &before {
        Some(before) => carried(before, profile),
        None => profile,
    };
    let text = profile.to_string();
    app.with_store(move |s| Ok(s.put_lathe(&id, &text)?)).await?;
    JobChanged::tell_all(&app);
    Ok(Json(profile))
}

/// A new lathe: a copy of another, or as told; told nothing it stands on what is usual.
#[derive(Default, Deserialize, ToSchema)]
#[serde(default, deny_unknown_fields)]
pub struct NewLathe {
    /// What it is called.
    name: Option<String>,
    /// The lathe it is a copy of.
    copy_of: Option<String>,
    /// The whole of it, as exported.
    #[schema(value_type = Option<LatheProfile>)]
    profile: Option<Value>,
}

/// Lathes of one name a shop may have.
const SAME_NAME: usize = 99;

/// Ids of a name: itself in small letters, then with a number.
pub fn ids(name: &str) -> impl Iterator<Item = String> {
    let mut plain = String::new();
    for c in name.to_lowercase().chars() {
        match c {
            'a'..='z' | '0'..='9' => plain.push(c),
            _ if plain.ends_with('-') || plain.is_empty() => {}
            _ => plain.push('-'),
        }
    }
    plain.truncate(36);
    let plain = plain.trim_end_matches('-').to_owned();
    let plain = if plain.is_empty() { "lathe".to_owned() } else { plain };
    (1..=SAME_NAME).map(move |n| if n == 1 { plain.clone() } else { format!("{plain}-{n}") })
}

/// Adds a lathe under an id made from its name.
#[utoipa::path(post, path = "/api/v1/lathes", request_body = NewLathe,
    responses((status = 201, body = LatheView), (status = 404, body = Problem), (status = 422, body = Problem)))]
pub async fn add_lathe(State(app): State<App>, voice: Asked, Sent { read: new, mut faults }: Sent<NewLathe>) -> Result<(StatusCode, Json<LatheView>), Problem> {
    if new.copy_of.is_some() && new.profile.is_some() {
        faults.push(Fault::new("/profile", say!(Voice::default(), "srv-give-copyof-profile-not-both")));
    }
    if !faults.is_empty() {
        return Err(Problem::faulty(faults));
    }
    let (mut told, newer) = match (new.copy_of, new.profile) {
        (Some(id), _) => {
            let (Document { mut whole, unknown, .. }, _) = told(&app, id).await?;
            whole["name"] = json!(format!("{}, copied", whole["name"].as_str().unwrap_or("Lathe")));
            (whole, unknown)
        }
        (None, told) => (told.unwrap_or_else(|| json!({})), Vec::new()),
    };
    let name = new.name.or_else(|| told["name"].as_str().map(str::to_owned)).unwrap_or_else(|| "New lathe".into());
    let profile = match (&mut told, name_fault(&name)) {
        (_, Some(fault)) => return Err(Problem::faulty(vec![fault])),
        (Value::Object(map), None) => {
            map.insert("name".into(), json!(name));
            sound(told, "", &newer, voice.plain())
                .map_err(|faults| Problem::faulty(faults.into_iter().map(|f| Fault::new(format!("/profile{}", f.pointer), f.detail)).collect()))?
        }
        _ => return Err(Problem::fault("/profile", say!(Voice::default(), "srv-lathe-json-object-exported"))),
    };
    let with_id = move |id: &str| {
        let mut own = profile.clone();
        own["id"] = json!(id);
        own.to_string()
    };
    let made = app.reckon(move |s| s.add_lathe(ids(&name), with_id)?.map(|row| view(s, row, voice)).transpose()).await?;
    made.map(|view| (StatusCode::CREATED, Json(view)))
        .ok_or_else(|| Problem::fault("/name", say!(Voice::default(), "srv-there-lathes-name-give-another", same_name = SAME_NAME)))
}

fn name_fault(name: &str) -> Option<Fault> {
    let long = name.chars().count();
    let sound = !name.trim().is_empty() && long <= 60 && !name.chars().any(char::is_control);
    (!sound).then(|| Fault::new("/name", say!(Voice::default(), "srv-lathes-name-1-60-letters", long = &long)))
}

/// One lathe as its owner sees it: every part in words, what is assumed of it, and drawn.
#[utoipa::path(get, path = "/api/v1/lathes/{id}/view", params(("id" = String, Path)), responses((status = 200, body = LatheView), (status = 404, body = Problem)))]
pub async fn seen(State(app): State<App>, voice: Asked, Path(id): Path<String>) -> Result<Json<LatheView>, Problem> {
    viewed(&app, id, voice).await.map(Json)
}

/// The same by its id.
async fn viewed(app: &App, id: String, voice: Asked) -> Result<LatheView, Problem> {
    app.reckon(move |s| s.lathe(&id)?.map(|row| view(s, row, voice)).transpose()).await?.ok_or_else(|| Problem::missing("lathe"))
}

/// Keeps a change to a lathe made from `revision`.
async fn keep(app: &App, id: String, revision: i64, voice: Asked, change: impl FnOnce(&mut Value)) -> Result<Json<LatheView>, Problem> {
    let (Document { whole: mut told, unknown, .. }, seen) = told(app, id.clone()).await?;
    if seen != revision {
        return Err(Problem::stale("lathe", &viewed(app, id, voice).await?));
    }
    let before = told.clone();
    change(&mut told);
    keep_sources(&before, &mut told);
    remember_trains(&before, &mut told);
    if let Some(fault) = told.get("name").and_then(Value::as_str).and_then(name_fault) {
        return Err(Problem::faulty(vec![fault]));
    }
    let text = sound(told, &id, &unknown, voice.plain()).map_err(Problem::faulty)?.to_string();
    let changed = app
        .reckon(move |s| {
            Ok(match s.change_lathe(&id, revision, &text)? {
                Changed::Done(row) => Changed::Done(view(s, row, voice)?),
                Changed::Stale(row) => Changed::Stale(view(s, row, voice)?),
                Changed::Missing => Changed::Missing,
            })
        })
        .await?;
    match changed {
        Changed::Done(view) => {
            JobChanged::tell_all(app);
            Ok(Json(view))
        }
        Changed::Stale(view) => Err(Problem::stale("lathe", &view)),
        Changed::Missing => Err(Problem::missing("lathe")),
    }
}

/// Changes some parts of a lathe under `If-Match: revision`, by a merge patch (RFC 7396) of its profile.
#[utoipa::path(patch, path = "/api/v1/lathes/{id}", params(("id" = String, Path), ("If-Match" = String, Header)), request_body = Object,
    responses((status = 200, body = LatheView), (status = 404, body = Problem), (status = 409, body = Problem), (status = 422, body = Problem), (status = 428, body = Problem)))]
pub async fn change_lathe(
    State(app): State<App>,
    voice: Asked,
    Path(id): Path<String>,
    Revision(revision): Revision,
    JsonBody(patch): JsonBody,
) -> Result<Json<LatheView>, Problem> {
    if !patch.is_object() {
        return Err(Problem::fault("", say!(Voice::default(), "srv-change-json-object-parts-changed")));
    }
    keep(&app, id, revision, voice, |told| merge(told, patch)).await
}

/// An answer to one of the questions a lathe is asked.
#[derive(Default, Deserialize, ToSchema)]
#[serde(default, deny_unknown_fields)]
pub struct LatheAnswer {
    /// The value of the answer chosen, or what was written.
    says: String,
}

/// Answers one question under `If-Match: revision`: the fields it is about are set, and no other.
#[utoipa::path(put, path = "/api/v1/lathes/{id}/answers/{ask}", params(("id" = String, Path), ("ask" = Ask, Path), ("If-Match" = String, Header)), request_body = LatheAnswer,
    responses((status = 200, body = LatheView), (status = 404, body = Problem), (status = 409, body = Problem), (status = 422, body = Problem), (status = 428, body = Problem)))]
pub async fn answer_lathe(
    State(app): State<App>,
    voice: Asked,
    Path((id, ask)): Path<(String, Ask)>,
    Revision(revision): Revision,
    Sent { read: told, mut faults }: Sent<LatheAnswer>,
) -> Result<Json<LatheView>, Problem> {
    let profile = profile(&app, id.clone()).await?;
    let sets = answer(&profile, ask, &told.says, voice.plain()).map_err(|fault| faults.push(fault)).unwrap_or_default();
    if !faults.is_empty() {
        return Err(Problem::faulty(faults));
    }
    keep(&app, id, revision, voice, |lathe| put(lathe, sets)).await
}

/// Puts a lathe away: it is in no list, but jobs on it keep it, and it can be brought back.
#[utoipa::path(delete, path = "/api/v1/lathes/{id}", params(("id" = String, Path)), responses((status = 200, body = LatheView), (status = 404, body = Problem)))]
pub async fn put_away(State(app): State<App>, voice: Asked, Path(id): Path<String>) -> Result<Json<LatheView>, Problem> {
    let at = (app.clock)();
    moved(&app, id, voice, Some(at)).await
}

/// Brings back a lathe that was put away.
#[utoipa::path(post, path = "/api/v1/lathes/{id}/back", params(("id" = String, Path)), responses((status = 200, body = LatheView), (status = 404, body = Problem)))]
pub async fn bring_back(State(app): State<App>, voice: Asked, Path(id): Path<String>) -> Result<Json<LatheView>, Problem> {
    moved(&app, id, voice, None).await
}

async fn moved(app: &App, id: String, voice: Asked, at: Option<String>) -> Result<Json<LatheView>, Problem> {
    app.reckon(move |s| s.put_away(&id, at.as_deref())?.map(|row| view(s, row, voice)).transpose()).await?.map(Json).ok_or_else(|| Problem::missing("lathe"))
}

/// The gears of a lathe as a sheet.
#[utoipa::path(get, path = "/api/v1/lathes/{id}/gears.csv", params(("id" = String, Path)), responses((status = 200, body = String, content_type = "text/csv"), (status = 404, body = Problem)))]
pub async fn gears_out(State(app): State<App>, Path(id): Path<String>) -> Result<impl IntoResponse, Problem> {
    let (profile, lathe) = both(&app, id).await?;
    Ok(saved_as("gears.csv", CSV, gears_to_csv(&profile, &lathe)))
}

/// The gearbox of a lathe as a sheet: the pitches its plate prints, or its ratios.
#[utoipa::path(get, path = "/api/v1/lathes/{id}/plate.csv", params(("id" = String, Path)), responses((status = 200, body = String, content_type = "text/csv"), (status = 404, body = Problem)))]
pub async fn plate_out(State(app): State<App>, Path(id): Path<String>) -> Result<impl IntoResponse, Problem> {
    let (profile, lathe) = both(&app, id).await?;
    Ok(saved_as("plate.csv", CSV, plate_to_csv(&profile, &lathe)))
}

/// A sheet's text, whatever its content type says.
fn text_of(body: &Bytes) -> Result<String, Problem> {
    String::from_utf8(body.to_vec()).map_err(|_| Problem::fault("", say!(Voice::default(), "srv-sheet-not-plain-text-utf")))
}

/// Puts one part, read from a sheet, in place of the lathe's own.
async fn replace(app: &App, id: String, revision: i64, voice: Asked, patch: Value) -> Result<Json<LatheView>, Problem> {
    keep(app, id, revision, voice, |told| {
        if let (Value::Object(told), Value::Object(patch)) = (told, patch) {
            told.extend(patch);
        }
    })
    .await
}

/// Gears from a sheet, under `If-Match: revision`; they replace those the lathe had.
#[utoipa::path(put, path = "/api/v1/lathes/{id}/gears.csv", params(("id" = String, Path), ("If-Match" = String, Header)), request_body(content = String, content_type = "text/csv"),
    responses((status = 200, body = LatheView), (status = 404, body = Problem), (status = 409, body = Problem), (status = 422, body = Problem), (status = 428, body = Problem)))]
pub async fn gears_in(
    State(app): State<App>,
    voice: Asked,
    Path(id): Path<String>,
    Revision(revision): Revision,
    body: Bytes,
) -> Result<Json<LatheView>, Problem> {
    let groups = gears_from_csv(&text_of(&body)?, voice.plain()).map_err(Problem::faulty)?;
    replace(&app, id, revision, voice, json!({ "gear_groups": groups, "gears": null, "joined": null, "bound": null })).await
}

/// A gearbox from a sheet, under `If-Match: revision`; it replaces the one the lathe had.
#[utoipa::path(put, path = "/api/v1/lathes/{id}/plate.csv", params(("id" = String, Path), ("If-Match" = String, Header)), request_body(content = String, content_type = "text/csv"),
    responses((status = 200, body = LatheView), (status = 404, body = Problem), (status = 409, body = Problem), (status = 422, body = Problem), (status = 428, body = Problem)))]
pub async fn plate_in(
    State(app): State<App>,
    voice: Asked,
    Path(id): Path<String>,
    Revision(revision): Revision,
    body: Bytes,
) -> Result<Json<LatheView>, Problem> {
    let (gearbox, plate) = plate_from_csv(&text_of(&body)?, voice.plain()).map_err(Problem::faulty)?;
    replace(&app, id, revision, voice, json!({ "gearbox": gearbox, "plate": plate })).await
}
