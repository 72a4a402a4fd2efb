//! The application: its state, its routes, its start and end.

use crate::cache::Cache;
use crate::folder::{Folder, mark_demo, put_aside};
use crate::notices::NoticeCode;
use crate::problem::PROBLEM;
use crate::state::{App, DATABASE};
use crate::voice::Asked;
use crate::{
    Files, Serve, acts, batch, bits, changing, day, demo, events, file, guard, instruments, jobs, lathes, listen, log, members, part_sheet, planning, problem,
    rehearse, route, sheets, shop, test_pieces, web, words,
};
use axum::extract::DefaultBodyLimit;
use axum::{Router, middleware};
use std::path::Path;
use std::sync::{Arc, Mutex};
use tokio::sync::{Semaphore, broadcast, watch};
use tower_http::catch_panic::CatchPanicLayer;
use tower_http::compression::CompressionLayer;
use tower_http::timeout::RequestBodyTimeoutLayer;
use tower_http::trace::TraceLayer;
use utoipa::openapi::{Content, Ref, RefOr, ResponseBuilder};
use utoipa::{IntoParams, OpenApi};
use utoipa_axum::router::OpenApiRouter;
use utoipa_axum::routes;
use yoke_core::say;
use yoke_core::voice::Voice;
use yoke_store::Store;

/// The API's description and the largest request it takes.
#[derive(OpenApi)]
#[openapi(info(title = "Yoke Turn", description = "From a callout to a measured thread. Lengths are mm, angles degrees."))]
struct Description;

/// How often it is looked whether the day has its copy.
const LOOK_EVERY: std::time::Duration = std::time::Duration::from_secs(3600);

const LARGEST_REQUEST: usize = 256 * 1024;

/// Longest silence within the body of a request. House value.
const BODY: std::time::Duration = std::time::Duration::from_secs(20);

/// Drawings as files.
fn files() -> OpenApiRouter<App> {
    OpenApiRouter::new().routes(routes!(bits::bit_svg)).routes(routes!(bits::bit_dxf)).routes(routes!(part_sheet::part_dxf))
}

/// What is made of a job beside it: members of its part, a gauge to turn, a test piece, and what is rehearsed of it.
fn beside() -> OpenApiRouter<App> {
    OpenApiRouter::new()
        .routes(routes!(members::add_member))
        .routes(routes!(members::gauge_to_turn))
        .routes(routes!(test_pieces::make_test_piece))
        .routes(routes!(test_pieces::test_pieces))
        .routes(routes!(rehearse::drills))
        .routes(routes!(rehearse::begun, rehearse::show))
        .routes(routes!(rehearse::tried))
        .routes(routes!(rehearse::watched))
        .routes(routes!(rehearse::told_at_lathe))
        .merge(speaking())
}

/// Instruments that speak: told of a lathe, and beside a run.
fn speaking() -> OpenApiRouter<App> {
    OpenApiRouter::new()
        .routes(routes!(instruments::told, instruments::tell))
        .routes(routes!(instruments::lines))
        .routes(routes!(instruments::ports))
        .routes(routes!(instruments::point))
        .routes(routes!(instruments::wound))
        .routes(routes!(instruments::beside, instruments::tell_following))
        .routes(routes!(instruments::live))
}

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
        .routes(routes!(jobs::one, changing::change))
        .merge(beside())
        .routes(routes!(acts::record))
        .routes(routes!(bits::bit_sheet))
        .merge(files())
        .routes(routes!(sheets::thread))
        .routes(routes!(sheets::setup))
        .routes(routes!(sheets::ways))
        .routes(routes!(sheets::made_by))
        .routes(routes!(sheets::groove))
        .routes(routes!(sheets::own))
        .routes(routes!(sheets::gauging))
        .routes(routes!(sheets::troubles))
        .routes(routes!(sheets::paper))
        .routes(routes!(route::route, route::put_route, route::drop_route))
        .routes(routes!(route::tick))
        .routes(routes!(part_sheet::part_sheet))
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
        .routes(routes!(lathes::answer_lathe))
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
        .routes(routes!(shop::kit_written, shop::put_kit_written))
        .routes(routes!(shop::materials))
        .routes(routes!(shop::tried))
        .routes(routes!(shop::feeds))
        .routes(routes!(shop::rules))
        .routes(routes!(words::words, words::put_words))
        .routes(routes!(events::notices))
        .routes(routes!(events::notice_read))
}

/// The description of the API: what each operation answers, and that any of them may answer with a problem.
pub fn described() -> utoipa::openapi::OpenApi {
    let mut all = api().to_openapi();
    let problem = || Content::new(Some(Ref::from_schema_name("Problem")));
    let is_problem =
        |content: &RefOr<Content>| matches!(content, RefOr::T(Content { schema: Some(RefOr::Ref(r)), .. }) if r.ref_location.ends_with("/Problem"));
    for item in all.paths.paths.values_mut() {
        let operations = [&mut item.get, &mut item.put, &mut item.post, &mut item.delete, &mut item.patch];
        for operation in operations.into_iter().flatten() {
            // Whatever is asked may be asked in a voice.
            operation.parameters.get_or_insert_default().extend(Asked::into_params(|| None).into_iter().map(Into::into));
            for response in operation.responses.responses.values_mut() {
                if let RefOr::T(response) = response
                    && response.content.values().any(is_problem)
                {
                    response.content.clear();
                    response.content.insert(PROBLEM.to_owned(), problem().into());
                }
            }
            let any = ResponseBuilder::new().description("What was sent, or how, is refused").content(PROBLEM, problem()).build();
            operation.responses.responses.insert("4XX".to_owned(), any.into());
        }
    }
    all
}

fn router(app: App) -> Router {
    let (api, _) = api().split_for_parts();
    api.route("/healthz", axum::routing::get(|| async { "ok" }))
        .fallback(web::asset)
        .layer(DefaultBodyLimit::max(LARGEST_REQUEST))
        .layer(RequestBodyTimeoutLayer::new(BODY))
        .layer(middleware::map_response(problem::as_problem))
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
    // The folder and the port are had before anything in the folder is touched.
    let mut held = Folder::hold(folder)?;
    let listener =
        tokio::net::TcpListener::bind(("127.0.0.1", port)).await.map_err(|e| format!("Port {port} cannot be had: {e}. Give another with --port."))?;
    let port = listener.local_addr().map_err(|e| e.to_string())?.port();
    held.served_at(port);
    let path = folder.join(DATABASE);
    if fresh && let Some(aside) = put_aside(folder)? {
        eprintln!("The demo yard is begun afresh; as it was before: {}", folder.join(aside).display());
    }
    let mut store = Store::open(&path).map_err(|e| e.to_string())?;
    if let Some(says) = store.serve().map_err(|e| e.to_string())? {
        eprintln!("{says}");
    }
    if with_demo && demo::fill(&store, now).map_err(|e| format!("The demo yard cannot be laid out: {e}"))? {
        mark_demo(folder)?;
    }
    let (stop, stopping) = watch::channel(false);
    let reckoning = Arc::new(Semaphore::new(std::thread::available_parallelism().map_or(2, |n| n.get().max(2))));
    let long = Arc::new(Semaphore::new(1));
    let acts = Arc::new(Mutex::new(()));
    let app = App {
        store: Arc::new(store),
        acts,
        reckoning,
        long,
        charts: Arc::new(Cache::of_most(8)),
        plans: Arc::new(Cache::of_most(8)),
        notices: Arc::default(),
        follows: Arc::default(),
        events: broadcast::channel(64).0,
        stopping,
        clock: now,
        files,
        port,
    };
    tokio::spawn(instruments::go_on(app.clone()));
    tokio::spawn(copy_daily(app.clone(), folder.join("copies")));
    // The routes describe themselves as they are put together, which takes a moment: the address is told once they answer.
    let router = router(app);
    let asked = asked_to_stop()?;
    println!("Yoke Turn is at http://127.0.0.1:{port}/");
    listen::serve(listener, router, async move {
        asked.await;
        let _ = stop.send(true);
        // Asked again, it ends at once: what was acknowledged is on disk.
        tokio::spawn(async {
            if let Ok(again) = asked_to_stop() {
                again.await;
                std::process::exit(1);
            }
        });
    })
    .await;
    drop(held);
    Ok(())
}

/// Keeps a copy of each day the server runs on; one that cannot be made is told of, and tried again.
async fn copy_daily(app: App, copies: std::path::PathBuf) {
    loop {
        let (to, day) = (copies.clone(), (app.clock)().chars().take(10).collect::<String>());
        match app.with_store(move |store| Ok(store.daily_copy(&to, &day)?)).await {
            Ok(_) => app.notices.clear(NoticeCode::NoCopy),
            Err(problem) => {
                tracing::warn!("today's copy was not made: {}", problem.detail);
                app.notices.say(NoticeCode::NoCopy, say!(Voice::default(), "srv-no-copy-today", why = &problem.detail));
            }
        }
        tokio::time::sleep(LOOK_EVERY).await;
    }
}

/// Told when the server is asked to stop; it listens from now on, not only once it is waited for.
fn asked_to_stop() -> Result<impl Future<Output = ()>, String> {
    #[cfg(unix)]
    {
        use tokio::signal::unix::{SignalKind, signal};
        let mut terminate = signal(SignalKind::terminate()).map_err(|e| e.to_string())?;
        let mut interrupted = signal(SignalKind::interrupt()).map_err(|e| e.to_string())?;
        Ok(async move {
            tokio::select! { _ = interrupted.recv() => {}, _ = terminate.recv() => {} }
        })
    }
    #[cfg(not(unix))]
    Ok(async {
        let _ = tokio::signal::ctrl_c().await;
    })
}
