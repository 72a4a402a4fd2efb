//! The application: its state, its routes, its start and end.

use crate::api::{Api, routes};
use crate::cache::Cache;
use crate::door::held::{Door, Ports};
use crate::door::who::Via;
use crate::door::{desk, opening, pages};
use crate::folder::{Folder, NotHad, mark_demo, put_aside};
use crate::listen::Greeting;
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
fn files() -> Api {
    Api::default().routes(routes!(bits::bit_svg)).routes(routes!(bits::bit_dxf)).routes(routes!(part_sheet::part_dxf))
}

/// What is made of a job beside it: members of its part, a gauge to turn, a test piece, and what is rehearsed of it.
fn beside() -> Api {
    Api::default()
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

/// The door to the shop's network, as the desk has it, and what befell the shop.
fn doors() -> Api {
    Api::default()
        .routes(routes!(events::notices))
        .routes(routes!(events::notice_read))
        .routes(routes!(desk::door, desk::turn))
        .routes(routes!(desk::code))
        .routes(routes!(desk::change_device, desk::put_out))
}

/// Instruments that speak: told of a lathe, and beside a run.
fn speaking() -> Api {
    Api::default()
        .routes(routes!(instruments::told, instruments::tell))
        .routes(routes!(instruments::lines))
        .routes(routes!(instruments::ports))
        .routes(routes!(instruments::point))
        .routes(routes!(instruments::wound))
        .routes(routes!(instruments::beside, instruments::tell_following))
        .routes(routes!(instruments::live))
}

/// The API's routes.
fn api() -> Api {
    Api::default()
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
        .longer(log::LARGEST_PHOTO + 1024, routes!(log::keep_photo, log::photo))
        .routes(routes!(file::job_out))
        .longer(file::LARGEST_FILE, routes!(file::shop_out, file::shop_in))
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
        .merge(doors())
}

/// The description of the API: what each operation answers, and that any of them may answer with a problem.
pub fn described() -> utoipa::openapi::OpenApi {
    let mut all = api().described(Description::openapi());
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

/// Everything, as it is come by.
fn router(app: App, via: Via) -> Router {
    api()
        .served()
        .route("/healthz", axum::routing::get(|| async { "ok" }))
        .route("/pair", axum::routing::get(pages::pair).post(pages::told))
        .fallback(web::asset)
        .layer(DefaultBodyLimit::max(LARGEST_REQUEST))
        .layer(RequestBodyTimeoutLayer::new(BODY))
        .layer(middleware::map_response(problem::as_problem))
        .layer(middleware::from_fn_with_state((app.clone(), via), guard::guard))
        .layer(CompressionLayer::new())
        .layer(CatchPanicLayer::custom(|_| problem::panicked()))
        .layer(TraceLayer::new_for_http())
        .with_state(app)
}

fn now() -> String {
    chrono::Utc::now().to_rfc3339_opts(chrono::SecondsFormat::Millis, true)
}

/// The shop of a folder; the demo's begun afresh where that is asked.
fn opened_store(folder: &Path, fresh: bool) -> Result<Store, String> {
    let path = folder.join(DATABASE);
    if fresh && let Some(aside) = put_aside(folder)? {
        eprintln!("The demo yard is begun afresh; as it was before: {}", folder.join(aside).display());
    }
    let mut store = Store::open(&path).map_err(|e| e.to_string())?;
    if let Some(says) = store.serve().map_err(|e| e.to_string())? {
        eprintln!("{says}");
    }
    Ok(store)
}

/// The folder, had; nothing where its page was asked for and the server that has it already showed it.
fn held(folder: &Path, open: bool) -> Result<Option<Folder>, String> {
    match Folder::hold(folder) {
        Ok(held) => Ok(Some(held)),
        Err(NotHad::Another(Some(port), _)) if open => {
            println!("Yoke Turn is at http://127.0.0.1:{port}/");
            in_browser(port).map(|()| None)
        }
        Err(NotHad::Another(_, why) | NotHad::Disk(why)) => Err(why),
    }
}

/// Serves until told to stop. Prints the address on standard output once it answers.
pub async fn serve(
    folder: &Path,
    &Serve { port, demo: with_demo, fresh, shop, shop_port, trust_port, no_announce, open, .. }: &Serve,
    files: Files,
) -> Result<(), String> {
    // The folder and the port are had before anything in the folder is touched.
    let Some(mut held) = held(folder, open)? else { return Ok(()) };
    let listener =
        tokio::net::TcpListener::bind(("127.0.0.1", port)).await.map_err(|e| format!("Port {port} cannot be had: {e}. Give another with --port."))?;
    let port = listener.local_addr().map_err(|e| e.to_string())?.port();
    held.served_at(port);
    let store = opened_store(folder, fresh)?;
    if with_demo && demo::fill(&store, now).map_err(|e| format!("The demo yard cannot be laid out: {e}"))? {
        mark_demo(folder)?;
    }
    let door = Arc::new(Door::of(folder, Ports { shop: shop_port, trust: trust_port }, !no_announce));
    // Where that does not read it is tried, and what stands against it said.
    let opens = shop || door.devices().opens().unwrap_or(true);
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
        here: Arc::default(),
        events: broadcast::channel(64).0,
        stopping,
        clock: now,
        files,
        door,
        reached: router,
        port,
    };
    tokio::spawn(instruments::go_on(app.clone()));
    tokio::spawn(copy_daily(app.clone(), folder.join("copies")));
    let router = router(app.clone(), Via::Desk);
    let asked = asked_to_stop()?;
    println!("Yoke Turn is at http://127.0.0.1:{port}/");
    if open && let Err(why) = in_browser(port) {
        tracing::warn!("{why}");
    }
    if opens {
        opened(&app, shop).await?;
    }
    listen::serve(listener, router, Greeting::Plain, async move {
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

/// Opens the app's page in the browser this desk has chosen.
fn in_browser(port: u16) -> Result<(), String> {
    let at = format!("http://127.0.0.1:{port}/");
    open::that_detached(&at).map_err(|e| format!("No browser could be opened: {e}. Open {at} by hand."))
}

/// Opens the door to the shop's network and says where. Asked for on the command line it is opened or the server ends; opened before, what
/// stands against it is said, and the desk has the app all the same.
async fn opened(app: &App, asked: bool) -> Result<(), String> {
    match opening::open(app).await {
        Ok(open) => {
            print!("{}", pages::terminal(&open));
            Ok(())
        }
        Err(why) if asked => Err(why),
        Err(why) => {
            tracing::warn!("{why}");
            app.notices.say(NoticeCode::DoorShut, say!(Voice::default(), "srv-door-not-opened", why = &why));
            Ok(())
        }
    }
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
