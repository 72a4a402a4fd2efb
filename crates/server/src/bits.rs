//! The bit of a job, drawn: on the screen, and as files to print at 1:1 or take into a drawing program.

use crate::download::saved_as;
use crate::drafting::{to_dxf, to_svg};
use crate::problem::Problem;
use crate::sheets::of_pointed;
use crate::state::App;
use crate::voice::Asked;
use axum::Json;
use axum::extract::{Path, Query, State};
use axum::response::IntoResponse;
use serde::Deserialize;
use utoipa::{IntoParams, ToSchema};
use yoke_core::bit::{BitSheet, sheet};
use yoke_core::faults::Fault;
use yoke_core::outline::Drawing;
use yoke_core::say;
use yoke_core::voice::Voice;

/// Which drawing of a bit.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum BitView {
    /// From above, front and side.
    #[default]
    Views,
    /// Its tip in the groove.
    Tip,
    /// The relief tool from above.
    ReliefTool,
}

/// What file is wanted.
#[derive(Deserialize, IntoParams)]
#[into_params(parameter_in = Query)]
pub struct FileAsked {
    /// Which drawing; the three views when absent.
    #[param(inline)]
    view: Option<BitView>,
    /// Millimetres on the paper for each of the bit's: 1 or 10; 1 when absent.
    scale: Option<f64>,
}

async fn drawn(app: &App, id: String, voice: Asked) -> Result<BitSheet, Problem> {
    of_pointed(app, id, voice, |plan, _| sheet(plan.thread, plan.bit, plan.cut.radial_mm.value, plan.voice)).await
}

async fn one(app: &App, id: String, voice: Asked, asked: &FileAsked) -> Result<Drawing, Problem> {
    let all = drawn(app, id, voice).await?;
    match asked.view.unwrap_or_default() {
        BitView::Views => Ok(all.views),
        BitView::Tip => Ok(all.tip),
        BitView::ReliefTool => {
            all.relief_tool.ok_or_else(|| Problem::faulty(vec![Fault::new("/view", say!(Voice::default(), "srv-thread-runs-into-no-turned"))]))
        }
    }
}

/// A job's bit drawn, and how it is ground.
#[utoipa::path(get, path = "/api/v1/jobs/{id}/bit", params(("id" = String, Path)), responses((status = 200, body = BitSheet), (status = 404, body = Problem), (status = 422, body = Problem)))]
pub async fn bit_sheet(State(app): State<App>, voice: Asked, Path(id): Path<String>) -> Result<Json<BitSheet>, Problem> {
    drawn(&app, id, voice).await.map(Json)
}

/// The same as SVG, to scale, with a bar to check the print by.
#[utoipa::path(get, path = "/api/v1/jobs/{id}/bit.svg", params(("id" = String, Path), FileAsked), responses((status = 200, body = String, content_type = "image/svg+xml"), (status = 404, body = Problem), (status = 422, body = Problem)))]
pub async fn bit_svg(State(app): State<App>, voice: Asked, Path(id): Path<String>, Query(asked): Query<FileAsked>) -> Result<impl IntoResponse, Problem> {
    let scale = asked.scale.unwrap_or(1.0);
    if scale != 1.0 && scale != 10.0 {
        return Err(Problem::faulty(vec![Fault::new("/scale", say!(Voice::default(), "srv-1-10-wanted"))]));
    }
    let text = to_svg(&one(&app, id, voice, &asked).await?, scale);
    Ok(saved_as(&format!("bit-{scale}-to-1.svg"), "image/svg+xml", text))
}

/// The same as DXF, in millimetres.
#[utoipa::path(get, path = "/api/v1/jobs/{id}/bit.dxf", params(("id" = String, Path), FileAsked), responses((status = 200, body = Vec<u8>, content_type = "image/vnd.dxf"), (status = 404, body = Problem), (status = 422, body = Problem)))]
pub async fn bit_dxf(State(app): State<App>, voice: Asked, Path(id): Path<String>, Query(asked): Query<FileAsked>) -> Result<impl IntoResponse, Problem> {
    let bytes = to_dxf(&one(&app, id, voice, &asked).await?).map_err(|e| Problem::internal(e.to_string()))?;
    Ok(saved_as("bit.dxf", "image/vnd.dxf", bytes))
}
