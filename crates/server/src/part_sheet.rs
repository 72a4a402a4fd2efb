//! The part drawn whole: on the screen, on paper, and as a file for a drawing program.

use crate::download::saved_as;
use crate::drafting::to_dxf;
use crate::problem::Problem;
use crate::route::PlannedRoute;
use crate::state::App;
use crate::voice::Asked;
use axum::Json;
use axum::extract::{Path, Query, State};
use axum::response::IntoResponse;
use serde::Deserialize;
use utoipa::IntoParams;
use yoke_core::faults::Fault;
use yoke_core::part::{PartSheet, sheet};
use yoke_core::say;

/// Which piece of the part is wanted as a file.
#[derive(Deserialize, IntoParams)]
#[into_params(parameter_in = Query)]
pub struct PieceAsked {
    /// Its place among the pieces, from 0; the first when absent.
    piece: Option<usize>,
}

async fn drawn(app: &App, id: String, whole: bool, voice: Asked) -> Result<PartSheet, Problem> {
    let made = app
        .reckon(move |store| {
            let Some(job) = store.job(&id)? else { return Ok(None) };
            let ready = PlannedRoute::of(store, &job, voice)?;
            let (route, _) = ready.route(store)?;
            Ok(Some(sheet(&route, &ready.members(), whole, ready.voice)))
        })
        .await?;
    made.ok_or_else(|| Problem::missing("job"))
}

/// The part a job belongs to, drawn whole with its limits.
#[utoipa::path(get, path = "/api/v1/jobs/{id}/part", params(("id" = String, Path)), responses((status = 200, body = PartSheet), (status = 404, body = Problem)))]
pub async fn part_sheet(State(app): State<App>, voice: Asked, Path(id): Path<String>) -> Result<Json<PartSheet>, Problem> {
    drawn(&app, id, false, voice).await.map(Json)
}

/// One of its pieces as DXF, in millimetres.
#[utoipa::path(get, path = "/api/v1/jobs/{id}/part.dxf", params(("id" = String, Path), PieceAsked), responses((status = 200, body = Vec<u8>, content_type = "image/vnd.dxf"), (status = 404, body = Problem), (status = 422, body = Problem)))]
pub async fn part_dxf(State(app): State<App>, voice: Asked, Path(id): Path<String>, Query(asked): Query<PieceAsked>) -> Result<impl IntoResponse, Problem> {
    let mut pieces = drawn(&app, id, true, voice).await?.pieces;
    let n = asked.piece.unwrap_or(0);
    if n >= pieces.len() {
        return Err(Problem::faulty(vec![Fault::new("/piece", say!(voice.plain(), "srv-no-such-piece", pieces = pieces.len()))]));
    }
    let bytes = to_dxf(&pieces.swap_remove(n).drawing).map_err(|e| Problem::internal(e.to_string()))?;
    Ok(saved_as("part.dxf", "image/vnd.dxf", bytes))
}
