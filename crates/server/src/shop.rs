//! The shop: lathes, kit, materials, and the rules' texts.

use crate::app::App;
use crate::planning::body_json;
use crate::problem::Problem;
use axum::Json;
use axum::body::Bytes;
use axum::extract::{Path, State};
use serde_json::json;
use yoke_core::job::{Fault, Kit, LatheProfile, Material, PlanRequest, long_bed, materials as all_materials, read_json, settle};
use yoke_core::pad::{FeedsSaid, feeds_said};
use yoke_core::working::{Rule, rules as all_rules};
use yoke_store::{LatheRow, Store, StoreError};

/// Gives an empty shop the one lathe a callout alone is planned on.
pub fn furnish(store: &Store) -> Result<(), StoreError> {
    if store.lathes()?.is_empty() {
        store.put_lathe(&LatheRow { id: "long-bed".into(), body: serde_json::to_string(&long_bed()).unwrap_or_default() })?;
    }
    Ok(())
}

/// All lathes.
#[utoipa::path(get, path = "/api/v1/lathes", responses((status = 200, body = Vec<LatheProfile>)))]
pub async fn lathes(State(app): State<App>) -> Result<Json<Vec<LatheProfile>>, Problem> {
    let rows = app.with_store(Store::lathes).await?;
    Ok(Json(rows.iter().map(|r| serde_json::from_str(&r.body)).collect::<Result<_, _>>()?))
}

/// One lathe.
#[utoipa::path(get, path = "/api/v1/lathes/{id}", params(("id" = String, Path)), responses((status = 200, body = LatheProfile), (status = 404, body = Problem)))]
pub async fn lathe(State(app): State<App>, Path(id): Path<String>) -> Result<Json<LatheProfile>, Problem> {
    let row = app.with_store(move |s| s.lathe(&id)).await?.ok_or_else(|| Problem::missing("lathe"))?;
    Ok(Json(serde_json::from_str(&row.body)?))
}

/// Adds or replaces a lathe.
#[utoipa::path(put, path = "/api/v1/lathes/{id}", params(("id" = String, Path)), request_body = LatheProfile, responses((status = 200, body = LatheProfile), (status = 422, body = Problem)))]
pub async fn put_lathe(State(app): State<App>, Path(id): Path<String>, body: Bytes) -> Result<Json<LatheProfile>, Problem> {
    let (mut profile, mut faults) = read_json::<LatheProfile>(body_json(&body)?);
    let plain = !id.is_empty() && id.len() <= 40 && id.bytes().all(|b| b.is_ascii_lowercase() || b.is_ascii_digit() || b == b'-');
    if !plain {
        faults.push(Fault::new("/id", "a lathe's id has 1 to 40 small letters, digits and hyphens"));
    }
    profile.id = Some(id.clone());
    // A lathe is sound when a plain thread can be planned on it.
    let trial: PlanRequest = serde_json::from_value(json!({ "thread": { "callout": "M20" } }))?;
    if let Err(more) = settle(&PlanRequest { lathe: Some(profile.clone()), ..trial }, None, Vec::new()) {
        faults.extend(more.into_iter().map(|f| Fault::new(f.pointer.replacen("/lathe", "", 1), f.detail)));
    }
    if !faults.is_empty() {
        return Err(Problem::faulty(faults));
    }
    let row = LatheRow { id, body: serde_json::to_string(&profile)? };
    app.with_store(move |s| s.put_lathe(&row)).await?;
    Ok(Json(profile))
}

/// The kit.
#[utoipa::path(get, path = "/api/v1/kit", responses((status = 200, body = Kit)))]
pub async fn kit(State(app): State<App>) -> Result<Json<Kit>, Problem> {
    let body = app.with_store(Store::kit).await?;
    Ok(Json(body.map_or_else(|| Ok(Kit::alder_reach()), |b| serde_json::from_str(&b))?))
}

/// Replaces the kit.
#[utoipa::path(put, path = "/api/v1/kit", request_body = Kit, responses((status = 200, body = Kit), (status = 422, body = Problem)))]
pub async fn put_kit(State(app): State<App>, body: Bytes) -> Result<Json<Kit>, Problem> {
    let (kit, faults) = read_json::<Kit>(body_json(&body)?);
    let trial: PlanRequest = serde_json::from_value(json!({ "thread": { "callout": "M20" } }))?;
    let faults = match settle(&PlanRequest { kit: Some(kit.clone()), ..trial }, None, faults) {
        Err(faults) => faults.into_iter().map(|f| Fault::new(f.pointer.replacen("/kit", "", 1), f.detail)).collect(),
        Ok(_) => Vec::new(),
    };
    if !faults.is_empty() {
        return Err(Problem::faulty(faults));
    }
    let text = serde_json::to_string(&kit)?;
    app.with_store(move |s| s.put_kit(&text)).await?;
    Ok(Json(kit))
}

/// Materials and their starting values.
#[utoipa::path(get, path = "/api/v1/materials", responses((status = 200, body = Vec<Material>)))]
pub async fn materials() -> Json<&'static [Material]> {
    Json(all_materials())
}

/// The facts a sum of the bench pad may feed.
#[utoipa::path(get, path = "/api/v1/feeds", responses((status = 200, body = Vec<FeedsSaid>)))]
pub async fn feeds() -> Json<[FeedsSaid; 5]> {
    Json(feeds_said())
}

/// The rules' texts, fetched once.
#[utoipa::path(get, path = "/api/v1/rules", responses((status = 200, body = Vec<Rule>)))]
pub async fn rules() -> Json<Vec<&'static Rule>> {
    Json(all_rules())
}
