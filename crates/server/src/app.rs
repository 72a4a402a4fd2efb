//! The application: its state, its routes, its start and end.

use crate::state::{App, DATABASE};
use crate::{Files, Serve, acts, batch, bits, day, demo, events, file, guard, jobs, lathes, log, planning, problem, route, sheets, shop, web};
use axum::extract::DefaultBodyLimit;
use axum::{Router, middleware};
use std::path::Path;
use std::sync::Arc;
use tokio::sync::{broadcast, watch};
use tower_http::catch_panic::CatchPanicLayer;
use tower_http::compression::CompressionLayer;
use tower_http::trace::TraceLayer;
use utoipa::OpenApi;
use utoipa_axum::router::OpenApiRouter;
use utoipa_axum::routes;
use yoke_store::Store;

/// The API's description and the largest request it takes.
#[derive(OpenApi)]
#[openapi(info(title = "Yoke Turn", description = "From a callout to a measured thread. Lengths are mm, angles degrees."))]
struct Description;

/// How often it is looked whether the day has its copy.
const LOOK_EVERY: std::time::Duration = std::time::Duration::from_secs(3600);

const LARGEST_REQUEST: usize = 256 * 1024;

/// The API routes with their description.
pub fn api() -> OpenApiRouter<App> {
    OpenApiRouter::with_openapi(Description::openapi())
        .routes(routes!(planning::plan))
        .routes(routes!(planning::callout))
        .routes(routes!(planning::gauge))
        .routes(routes!(planning::identify))
        .routes(routes!(planning::sizes))
        .routes(routes!(planning::length))
        .routes(routes!(jobs::list, jobs::add))
        .routes(routes!(jobs::one, jobs::change))
        .routes(routes!(jobs::add_member))
        .routes(routes!(acts::record))
        .routes(routes!(bits::bit_sheet))
        .routes(routes!(bits::bit_svg))
        .routes(routes!(bits::bit_dxf))
        .routes(routes!(sheets::setup))
        .routes(routes!(sheets::groove))
        .routes(routes!(sheets::gauging))
        .routes(routes!(sheets::troubles))
        .routes(routes!(sheets::paper))
        .routes(routes!(route::route, route::put_route, route::drop_route))
        .routes(routes!(route::tick))
        .routes(routes!(batch::batch, batch::make_batch, batch::change_batch))
        .routes(routes!(batch::again))
        .routes(routes!(batch::carry))
        .routes(routes!(batch::batch_csv))
        .routes(routes!(log::log))
        .routes(routes!(log::log_csv))
        .routes(routes!(log::learned_all))
        .routes(routes!(log::search))
        .merge(OpenApiRouter::new().routes(routes!(log::keep_photo, log::photo)).layer(DefaultBodyLimit::max(log::LARGEST_PHOTO + 1024)))
        .routes(routes!(file::job_out))
        .merge(OpenApiRouter::new().routes(routes!(file::shop_out, file::shop_in)).layer(DefaultBodyLimit::max(file::LARGEST_FILE)))
        .routes(routes!(events::stream))
        .routes(routes!(lathes::lathes, lathes::add_lathe))
        .routes(routes!(lathes::lathe, lathes::put_lathe, lathes::change_lathe, lathes::put_away))
        .routes(routes!(lathes::seen))
        .routes(routes!(lathes::bring_back))
        .routes(routes!(lathes::gears_out, lathes::gears_in))
        .routes(routes!(lathes::plate_out, lathes::plate_in))
        .routes(routes!(shop::chart))
        .routes(routes!(shop::plate))
        .routes(routes!(shop::trial))
        .routes(routes!(shop::buy))
        .routes(routes!(day::as_it_stands, day::day, day::put_day))
        .routes(routes!(shop::chart_csv))
        .routes(routes!(planning::scratch))
        .routes(routes!(shop::kit, shop::put_kit))
        .routes(routes!(shop::materials))
        .routes(routes!(shop::feeds))
        .routes(routes!(shop::rules))
}

fn router(app: App) -> Router {
    let (api, _) = api().split_for_parts();
    api.route("/healthz", axum::routing::get(|| async { "ok" }))
        .fallback(web::asset)
        .layer(DefaultBodyLimit::max(LARGEST_REQUEST))
        .layer(middleware::from_fn_with_state(app.clone(), guard::guard))
        .layer(CompressionLayer::new())
        .layer(CatchPanicLayer::custom(|_| problem::panicked()))
        .layer(TraceLayer::new_for_http())
        .with_state(app)
}

fn now() -> String {
    chrono::Utc::now().to_rfc3339_opts(chrono::SecondsFormat::Millis, true)
}

/// Serves until told to stop. Prints the address on standard output once it answers.
pub async fn serve(folder: &Path, &Serve { port, demo: with_demo, fresh, .. }: &Serve, files: Files) -> Result<(), String> {
    std::fs::create_dir_all(folder).map_err(|e| format!("The data folder {} cannot be made: {e}", folder.display()))?;
    let path = folder.join(DATABASE);
    if fresh {
        for ending in ["db", "db-wal", "db-shm"] {
            let _ = std::fs::remove_file(path.with_extension(ending));
        }
    }
    let store = Store::open(&path).map_err(|e| format!("{}: {e}", path.display()))?;
    if with_demo {
        demo::fill(&store, now).map_err(|e| format!("The demo yard cannot be laid out: {e}"))?;
    }
    lathes::seed_first_lathe(&store).map_err(|e| e.to_string())?;
    let listener =
        tokio::net::TcpListener::bind(("127.0.0.1", port)).await.map_err(|e| format!("Port {port} cannot be had: {e}. Give another with --port."))?;
    let port = listener.local_addr().map_err(|e| e.to_string())?.port();
    let (stop, stopping) = watch::channel(false);
    let app = App { store: Arc::new(store), events: broadcast::channel(64).0, stopping, clock: now, files, port };
    tokio::spawn(copy_daily(app.clone(), folder.join("copies")));
    // The routes describe themselves as they are put together, which takes a moment: the address is told once they answer.
    let router = router(app);
    println!("Yoke Turn is at http://127.0.0.1:{port}/");
    axum::serve(listener, router)
        .with_graceful_shutdown(async move {
            asked_to_stop().await;
            let _ = stop.send(true);
        })
        .await
        .map_err(|e| e.to_string())
}

/// Keeps a copy of each day the server runs on; one that cannot be made is told of, and tried again.
async fn copy_daily(app: App, copies: std::path::PathBuf) {
    loop {
        let (to, day) = (copies.clone(), (app.clock)().chars().take(10).collect::<String>());
        if let Err(problem) = app.with_store(move |store| store.daily_copy(&to, &day)).await {
            tracing::warn!("today's copy was not made: {}", problem.detail);
        }
        tokio::time::sleep(LOOK_EVERY).await;
    }
}

async fn asked_to_stop() {
    let interrupt = tokio::signal::ctrl_c();
    #[cfg(unix)]
    {
        match tokio::signal::unix::signal(tokio::signal::unix::SignalKind::terminate()) {
            Ok(mut terminate) => {
                tokio::select! { _ = interrupt => {}, _ = terminate.recv() => {} }
            }
            Err(_) => {
                let _ = interrupt.await;
            }
        }
    }
    #[cfg(not(unix))]
    {
        let _ = interrupt.await;
    }
}
