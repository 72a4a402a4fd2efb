//! Instruments that speak: told of a lathe, heard on its page, and beside a run.

pub mod ear;
pub mod follow;
pub mod followed;

use crate::body::{Revision, Sent};
use crate::kept::{change, kept};
use crate::lathes;
use crate::problem::Problem;
use crate::state::{App, JobChanged};
use crate::stored::{self, Failed};
use crate::voice::Asked;
use axum::Json;
use axum::extract::{Path, State};
use axum::response::sse::{Event, KeepAlive, KeepAliveStream, Sse};
use ear::{Heard, Lingering};
pub use follow::TOLD;
use follow::{FOLLOWING, follow, load};
use followed::Followed;
use futures_util::{Stream, StreamExt};
use serde::{Deserialize, Serialize};
use serde_json::json;
use std::convert::Infallible;
use std::pin::Pin;
use std::sync::Arc;
use std::time::Duration;
use tokio_stream::wrappers::WatchStream;
use utoipa::ToSchema;
use yoke_core::faults::Fault;
use yoke_core::instruments::{
    AxisName, Cable, Follow, Following, Instruments, Link, LiveView, Pattern, PointAt, Stands, ToldAxis, Unlearned, Which, Wound, WoundView, guessed, numbers,
};
use yoke_core::quantity::plain_text;
use yoke_core::say;
use yoke_core::voice::Voice;
use yoke_store::{Changed, Store};

/// How long a readout just listened to may take to speak.
const MOMENT: Duration = Duration::from_millis(1500);
/// Least time between two pictures of what is live: thirty a second.
const PICTURE: Duration = Duration::from_millis(33);

/// The instruments of a lathe.
#[derive(Serialize, ToSchema)]
pub struct InstrumentsView {
    /// Goes up with every change.
    revision: i64,
    /// As they were told.
    told: Instruments,
}

/// The instruments of a lathe.
#[utoipa::path(get, path = "/api/v1/lathes/{id}/instruments", params(("id" = String, Path)), responses((status = 200, body = InstrumentsView), (status = 404, body = Problem)))]
pub async fn told(State(app): State<App>, Path(id): Path<String>) -> Result<Json<InstrumentsView>, Problem> {
    let of = id.clone();
    let found = app.with_store(move |store| Ok(if store.lathe(&of)?.is_some() { Some(view(store, &of)?) } else { None })).await?;
    found.map(Json).ok_or_else(|| Problem::missing("lathe"))
}

fn view(store: &Store, lathe: &str) -> Result<InstrumentsView, Failed> {
    let revision = store.sheet(lathe, TOLD)?.map_or(0, |row| row.revision);
    Ok(InstrumentsView { revision, told: kept(store, lathe, TOLD)? })
}

/// Tells the instruments of a lathe, by the revision they were changed from.
#[utoipa::path(put, path = "/api/v1/lathes/{id}/instruments", params(("id" = String, Path), ("If-Match" = String, Header)), request_body = Instruments,
    responses((status = 200, body = InstrumentsView), (status = 404, body = Problem), (status = 409, body = Problem), (status = 422, body = Problem)))]
pub async fn tell(
    State(app): State<App>,
    voice: Asked,
    Path(id): Path<String>,
    Revision(revision): Revision,
    Sent { read, mut faults }: Sent<Instruments>,
) -> Result<Json<InstrumentsView>, Problem> {
    faults.extend(read.faults(voice.plain()).into_iter().map(|(at, says)| Fault::new(at, says)));
    if !faults.is_empty() {
        return Err(Problem::faulty(faults));
    }
    let of = id.clone();
    let done = app.with_store(move |store| {
        if store.lathe(&of)?.is_none() {
            return Ok(None);
        }
        let changed = store.put_sheet(&of, TOLD, revision, &json!(read).to_string())?;
        Ok(Some((matches!(changed, Changed::Done(_)), view(store, &of)?)))
    });
    match done.await? {
        None => Err(Problem::missing("lathe")),
        Some((true, view)) => {
            JobChanged::tell_all(&app);
            Ok(Json(view))
        }
        Some((false, now)) => Err(Problem::stale("lathe", &now)),
    }
}

/// A piece of a line.
#[derive(Serialize, ToSchema)]
pub struct Piece {
    /// What stands there.
    text: String,
    /// Where a figure begins, to point at it by; absent where it is none.
    #[serde(skip_serializing_if = "Option::is_none")]
    at: Option<usize>,
    /// Whether the figure has its point.
    pointed: bool,
}

/// An axis as the line has it now.
#[derive(Serialize, ToSchema)]
pub struct AxisNow {
    axis: AxisName,
    /// Its figure as written; absent where it is not found.
    #[serde(skip_serializing_if = "Option::is_none")]
    value: Option<f64>,
    /// The same as text.
    text: String,
    /// Whether the line says it is in inches; absent where it says nothing.
    #[serde(skip_serializing_if = "Option::is_none")]
    inches: Option<bool>,
    /// How it counts; absent until it was wound.
    #[serde(skip_serializing_if = "Option::is_none")]
    counts: Option<String>,
}

/// What is heard of an instrument.
#[derive(Serialize, ToSchema)]
pub struct LineView {
    /// Whose line it is.
    which: Which,
    link: Link,
    /// The last line, to point in.
    line: String,
    /// The same as it is shown, in pieces.
    pieces: Vec<Piece>,
    /// Its axes as they are told.
    axes: Vec<AxisNow>,
    /// What its axes usually would be, by the letters in the line.
    guessed: Vec<ToldAxis>,
    /// The reading of a micrometer, with its unit.
    #[serde(skip_serializing_if = "Option::is_none")]
    reads: Option<String>,
}

fn pieces(line: &str) -> Vec<Piece> {
    let shown = |text: &str| text.chars().map(|c| if c.is_control() { '·' } else { c }).collect::<String>();
    let (mut all, mut from) = (Vec::new(), 0);
    for number in numbers(line) {
        if number.at[0] > from {
            all.push(Piece { text: shown(&line[from..number.at[0]]), at: None, pointed: false });
        }
        all.push(Piece { text: shown(&line[number.at[0]..number.at[1]]), at: Some(number.at[0]), pointed: number.pointed });
        from = number.at[1];
    }
    if from < line.len() {
        all.push(Piece { text: shown(&line[from..]), at: None, pointed: false });
    }
    all
}

fn line_view(heard: &Heard, told: &Instruments, which: Which, voice: Voice) -> LineView {
    let line = heard.last.as_ref().map_or("", |said| &said.line);
    let axes = told.readout.iter().filter(|_| which == Which::Readout).flat_map(|r| &r.axes);
    let now = |axis: &ToldAxis| {
        let found = axis.pattern.read(line);
        let text = found.as_ref().map_or(String::new(), |n| plain_text(n.value, axis.pattern.places_of(n, line)));
        AxisNow {
            axis: axis.axis,
            value: found.as_ref().map(|n| n.value),
            text,
            inches: found.and_then(|n| n.inches),
            counts: axis.counts.map(|c| c.says(axis.axis, voice)),
        }
    };
    let reads = told.micrometer.as_ref().filter(|_| which == Which::Micrometer).and_then(|m| m.read(line));
    LineView {
        which,
        link: heard.link,
        line: line.to_owned(),
        pieces: pieces(line),
        axes: axes.map(now).collect(),
        guessed: if which == Which::Readout { guessed(line) } else { Vec::new() },
        reads: reads.map(yoke_core::instruments::Sent::text),
    }
}

type Pictures = Pin<Box<dyn Stream<Item = Result<Event, Infallible>> + Send>>;
type Events = Sse<KeepAliveStream<Pictures>>;

/// A stream of pictures, no more than are seen, until the server stops.
fn pictures<T: Serialize + Send + 'static>(app: &App, name: &'static str, of: impl Stream<Item = Option<T>> + Send + 'static) -> Events {
    let events = of
        .then(|picture| async move {
            tokio::time::sleep(PICTURE).await;
            picture
        })
        .filter_map(move |picture| std::future::ready(picture.and_then(|p| Event::default().event(name).json_data(p).ok()).map(Ok)))
        .take_until(app.until_stopped());
    let events: Pictures = Box::pin(events);
    Sse::new(events).keep_alive(KeepAlive::default())
}

/// What is heard of an instrument now, as it comes.
#[utoipa::path(get, path = "/api/v1/lathes/{id}/instruments/{which}/lines", params(("id" = String, Path), ("which" = Which, Path)),
    responses((status = 200, body = LineView, content_type = "text/event-stream"), (status = 404, body = Problem)))]
pub async fn lines(State(app): State<App>, voice: Asked, Path((id, which)): Path<(String, Which)>) -> Result<Events, Problem> {
    let told = app.with_store(move |store| kept::<Instruments>(store, &id, TOLD)).await?;
    let cable: Option<&Cable> = match which {
        Which::Readout => told.readout.as_ref().map(|r| &r.cable),
        Which::Micrometer => told.micrometer.as_ref().map(|m| &m.cable),
    };
    let ear = app.follows.ears.at(cable.ok_or_else(|| Problem::missing("instrument"))?);
    let (now, held) = (ear.now(), Lingering(ear));
    let seen = WatchStream::new(now).map(move |heard| {
        // Held as long as somebody looks.
        let _held = &held;
        Some(line_view(&heard, &told, which, voice.plain()))
    });
    Ok(pictures(&app, "line", seen))
}

/// The serial ports of this computer, by name.
#[utoipa::path(get, path = "/api/v1/instruments/ports", responses((status = 200, body = Vec<String>)))]
pub async fn ports() -> Json<Vec<String>> {
    // What cannot be listed is typed.
    let found = tokio::task::spawn_blocking(|| tokio_serial::available_ports().unwrap_or_default()).await.unwrap_or_default();
    Json(found.into_iter().map(|port| port.port_name).collect())
}

/// A line and where in it was pointed.
#[derive(Debug, Default, Deserialize, ToSchema)]
#[serde(default, deny_unknown_fields)]
pub struct PointedLine {
    /// The line.
    line: String,
    /// Where in it, in bytes.
    at: usize,
    /// Places after a point that is not written.
    places: u8,
}

/// Learns where in a line a figure stands.
#[utoipa::path(post, path = "/api/v1/instruments/point", request_body = PointedLine, responses((status = 200, body = Pattern), (status = 422, body = Problem)))]
pub async fn point(Sent { read, faults }: Sent<PointedLine>) -> Result<Json<Pattern>, Problem> {
    if !faults.is_empty() {
        return Err(Problem::faulty(faults));
    }
    Pattern::learned(&read.line, read.at, read.places).map(Json).map_err(|why| match why {
        Unlearned::NoNumber => Problem::fault("/line", say!(Voice::default(), "srv-no-figure-in-line")),
        Unlearned::NoNumberThere => Problem::fault("/at", say!(Voice::default(), "srv-no-figure-there")),
    })
}

/// Learns how an axis counts, from its figure before and after it was wound.
#[utoipa::path(post, path = "/api/v1/lathes/{id}/instruments/wound/{axis}", params(("id" = String, Path), ("axis" = AxisName, Path)), request_body = Wound,
    responses((status = 200, body = WoundView), (status = 404, body = Problem), (status = 422, body = Problem)))]
pub async fn wound(
    State(app): State<App>,
    voice: Asked,
    Path((id, axis)): Path<(String, AxisName)>,
    Sent { read, faults }: Sent<Wound>,
) -> Result<Json<WoundView>, Problem> {
    if !faults.is_empty() {
        return Err(Problem::faulty(faults));
    }
    let lathe = lathes::stored(&app, id).await?;
    Ok(Json(read.learned(axis, &lathe, voice.plain())))
}

/// Which instruments stand beside a run.
#[derive(Serialize, ToSchema)]
pub struct BesideView {
    /// Whether its lathe has a readout, as far as it is told.
    readout: bool,
    /// Whether there is a micrometer that sends.
    micrometer: bool,
    /// How the run is followed.
    following: Following,
}

/// Which instruments stand beside a job's run.
#[utoipa::path(get, path = "/api/v1/jobs/{id}/following", params(("id" = String, Path)), responses((status = 200, body = BesideView), (status = 404, body = Problem)))]
pub async fn beside(State(app): State<App>, Path(id): Path<String>) -> Result<Json<BesideView>, Problem> {
    beside_view(&app, id).await.map(Json)
}

async fn beside_view(app: &App, id: String) -> Result<BesideView, Problem> {
    let loaded = app.reckon(move |store| load(store, &id)).await?.ok_or_else(|| Problem::missing("job"))?;
    let readout = loaded.told.readout.as_ref().is_some_and(|r| !r.axes.is_empty()) && loaded.bench.is_some();
    let micrometer = loaded.told.micrometer.as_ref().is_some_and(|m| m.pattern.is_some());
    Ok(BesideView { readout, micrometer, following: loaded.following })
}

/// What is told of how a run is followed; what is left out stays.
#[derive(Debug, Default, Deserialize, ToSchema)]
#[serde(default, deny_unknown_fields)]
pub struct FollowingBody {
    /// Whether passes are marked by themselves.
    marks: Option<bool>,
    /// Where the point stands just now.
    point: Option<PointAt>,
    /// That the readout still counts from where it was told.
    still: bool,
}

/// The run of a job as it is followed, from now on if it was not.
fn followed(app: &App, job: &str) -> Arc<Followed> {
    app.follows.of(job, |run| {
        tokio::spawn(follow(app.clone(), job.to_owned(), run));
    })
}

/// Tells how a run is followed.
#[utoipa::path(put, path = "/api/v1/jobs/{id}/following", params(("id" = String, Path)), request_body = FollowingBody,
    responses((status = 200, body = BesideView), (status = 404, body = Problem), (status = 422, body = Problem)))]
pub async fn tell_following(State(app): State<App>, Path(id): Path<String>, Sent { read, faults }: Sent<FollowingBody>) -> Result<Json<BesideView>, Problem> {
    if !faults.is_empty() {
        return Err(Problem::faulty(faults));
    }
    let before = beside_view(&app, id.clone()).await?;
    if !before.readout {
        return Err(Problem::fault("", say!(Voice::default(), "srv-no-readout-told")));
    }
    let run = followed(&app, &id);
    let point = match read.point {
        Some(at) => Some(told_at(&run, at).await?),
        None => None,
    };
    let now = (app.clock)();
    let job = id.clone();
    let (marks, others) = app
        .with_store(move |store| {
            let following = change::<Following>(store, &job, FOLLOWING, |f| {
                if let Some((follow, at, stands)) = &point {
                    f.zeros = follow.bench.told(f.zeros, *at, stands);
                }
                f.zeros.doubted &= !read.still;
                if point.is_some() || read.still {
                    f.sure = Some(now.clone());
                }
                f.marks = read.marks.unwrap_or(f.marks);
            })?;
            Ok((following.marks, if following.marks { others_let_go(store, &job)? } else { Vec::new() }))
        })
        .await?;
    for other in others {
        app.follows.hold(&other, None);
        JobChanged::tell(&app, &other, 0, 0);
    }
    app.follows.hold(&id, Some(run).filter(|_| marks));
    JobChanged::tell(&app, &id, 0, 0);
    Ok(Json(beside_view(&app, id).await?))
}

/// Where things stand as the point is told to be somewhere, while the readout speaks; one just listened to is given a moment.
async fn told_at(run: &Followed, at: PointAt) -> Result<(Follow, PointAt, Stands), Problem> {
    let told = || {
        let shared = run.shared();
        let stands = shared.now.stands.filter(|_| shared.now.readout == Link::Heard);
        stands.zip(shared.follow.clone()).map(|(stands, follow)| (follow, at, stands))
    };
    let mut changes = run.changes();
    let heard = async {
        loop {
            if let Some(told) = told() {
                return Some(told);
            }
            changes.changed().await.ok()?;
        }
    };
    let told = tokio::time::timeout(MOMENT, heard).await.ok().flatten();
    told.ok_or_else(|| Problem::fault("/point", say!(Voice::default(), "srv-readout-not-heard")))
}

/// A readout marks the passes of one run: those of others on the same lathe are no longer marked.
fn others_let_go(store: &Store, job: &str) -> Result<Vec<String>, Failed> {
    let lathe_of =
        |id: &str| -> Result<Option<String>, Failed> { Ok(store.job(id)?.map(|row| stored::request(&row)).transpose()?.and_then(|r| r.read.lathe_id)) };
    let lathe = lathe_of(job)?;
    let mut others = Vec::new();
    for row in store.sheets_of(FOLLOWING)? {
        if row.owner != job && stored::sheet::<Following>(&row)?.marks && lathe_of(&row.owner)? == lathe {
            change::<Following>(store, &row.owner, FOLLOWING, |f| f.marks = false)?;
            others.push(row.owner);
        }
    }
    Ok(others)
}

/// Follows every run whose passes are marked: after the server began anew too.
pub async fn go_on(app: App) {
    let rows = app.with_store(|store| Ok(store.sheets_of(FOLLOWING)?)).await.unwrap_or_default();
    for row in rows {
        match stored::sheet::<Following>(&row) {
            Ok(following) if following.marks => app.follows.hold(&row.owner, Some(followed(&app, &row.owner))),
            Ok(_) => {}
            // Its page refuses by the same words.
            Err(unread) => tracing::warn!("{} is not followed: {}", row.owner, unread.detail),
        }
    }
}

/// The instruments beside a run, live.
#[utoipa::path(get, path = "/api/v1/jobs/{id}/live", params(("id" = String, Path)),
    responses((status = 200, body = LiveView, content_type = "text/event-stream"), (status = 404, body = Problem)))]
pub async fn live(State(app): State<App>, voice: Asked, Path(id): Path<String>) -> Result<Events, Problem> {
    let of = id.clone();
    let job = app.with_store(move |store| Ok(store.job(&of)?)).await?.ok_or_else(|| Problem::missing("job"))?;
    let spoken = voice.of_job(&job);
    let run = followed(&app, &id);
    let seen = WatchStream::new(run.changes()).map(move |()| run.view(spoken));
    Ok(pictures(&app, "live", seen))
}
