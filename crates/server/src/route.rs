//! A part's route: made from its jobs until the user changes it, and ticked as it is done.

use crate::body::{Revision, Sent};
use crate::jobs::whole_of;
use crate::pace::took;
use crate::parts::{WholePart, is_apart, whole_parts};
use crate::planning::Whole;
use crate::problem::Problem;
use crate::state::{App, JobChanged};
use crate::stored::{self, Failed, acts};
use crate::voice::Asked;
use axum::Json;
use yoke_core::voice::Voice;

use axum::extract::{Path, State};

use serde::{Deserialize, Serialize};
use serde_json::json;
use std::collections::BTreeMap;
use utoipa::ToSchema;
use yoke_core::faults::Fault;
use yoke_core::log::fold;
use yoke_core::route::{MayAdd, Member, OpTook, Route, RouteDetail, Ticked, may_add, propose, reckoned_of, said, took_fault};
use yoke_core::say;
use yoke_store::{Changed, JobRow, Store};

/// What its sheet is kept as.
const KIND: &str = "route";

/// A job whose operations are in the route.
#[derive(Serialize, ToSchema)]
pub struct RouteJob {
    /// Its id.
    id: String,
    /// Title.
    title: String,
    /// Its thread.
    thread: String,
    /// The job itself: of a batch each part's own, under the name of the first one's.
    own: String,
}

/// A part's route.
#[derive(Serialize, ToSchema)]
pub struct RouteView {
    /// Whose route it is: the first job of the part, or of the batch.
    owner: String,
    /// Goes up with every change; 0 while it is the app's own.
    revision: i64,
    /// As it is kept, to be changed and sent back.
    route: Route,
    /// As it is shown.
    said: RouteDetail,
    /// Its jobs.
    jobs: Vec<RouteJob>,
    /// Jobs of the part that do not plan yet, by title.
    left_out: Vec<String>,
    /// Operations that may be added, and what each asks.
    may_add: Vec<MayAdd>,
}

/// The jobs of a route, planned.
pub struct PlannedRoute {
    /// Whose route it is.
    pub owner: String,
    /// The job its ticks are kept with: of a batch each part has its own.
    pub ticked: String,
    jobs: Vec<(JobRow, Whole, bool)>,
    left_out: Vec<String>,
    /// What each of its jobs is called in the route: of a batch by the first part's job of the same thread.
    names: Vec<String>,
    /// What is said of it is spoken in.
    pub voice: Voice,
}

impl PlannedRoute {
    /// Plans the jobs of the route a job is in.
    pub fn of(store: &Store, job: &JobRow, voice: Asked) -> Result<Self, Failed> {
        let owner = job.batch.clone().or_else(|| job.part.clone()).unwrap_or_else(|| job.id.clone());
        let (rows, ticked) = match (&job.batch, &job.part) {
            (Some(batch), _) => of_its_part(whole_parts(store, batch)?, job),
            (None, Some(part)) => (store.members(part)?.into_iter().map(|row| (row.id.clone(), row)).collect(), owner.clone()),
            (None, None) => (vec![(job.id.clone(), job.clone())], owner.clone()),
        };
        let mut ready = Self { owner, ticked, jobs: Vec::new(), left_out: Vec::new(), names: Vec::new(), voice: voice.of_job(job) };
        for (name, row) in rows {
            match whole_of(store, &row, voice)? {
                Ok(whole) => {
                    let proven = match stored::run(&row)? {
                        Some(run) => fold(&run, &acts(store, &row)?, Voice::default()).finished,
                        None => false,
                    };
                    ready.names.push(name);
                    ready.jobs.push((row, whole, proven));
                }
                Err(_) => ready.left_out.push(row.title),
            }
        }
        Ok(ready)
    }

    /// Its members, as the core has them. Of a batch every part goes by the numbers of its own plan under the first one's name.
    pub fn members(&self) -> Vec<Member<'_>> {
        self.jobs
            .iter()
            .zip(&self.names)
            .map(|((row, (plan, facts, lathe, _), proven), name)| Member {
                job: name,
                title: &row.title,
                plan,
                facts,
                lathe,
                apart: is_apart(self.jobs.iter().map(|(other, ..)| other), row),
                mate: self.jobs.iter().zip(&self.names).find(|((other, ..), _)| Some(&other.id) == row.mate.as_ref()).map(|(_, name)| name.as_str()),
                proven: *proven,
            })
            .collect()
    }

    /// The route as kept, or as the app makes it, with its revision.
    pub fn route(&self, store: &Store) -> Result<(Route, i64), Failed> {
        Ok(match store.sheet(&self.owner, KIND)? {
            Some(row) => (stored::sheet(&row)?, row.revision),
            None => (propose(&self.members(), self.voice), 0),
        })
    }

    /// Every operation with its card, its tick and its time, by what such work took before.
    pub fn said(&self, store: &Store, route: &Route, took: &[OpTook]) -> Result<RouteDetail, Failed> {
        let mut ticks = BTreeMap::new();
        for tick in store.ticks(&self.ticked)? {
            let took_min = tick.took.as_deref().map(stored::took).transpose()?.map(|t| t.took_min);
            ticks.insert(tick.op, Ticked { when: tick.done, took_min });
        }
        Ok(said(route, &self.members(), &ticks, took, self.voice))
    }

    /// What an operation of it took, beside what is reckoned for it.
    fn took(&self, route: &Route, op: &str, took_min: f64) -> Option<OpTook> {
        let members = self.members();
        let of = |job: Option<&String>| members.iter().find(|m| Some(m.job) == job.map(String::as_str));
        let (setup, op) = route.setups.iter().find_map(|s| Some((s, s.ops.iter().find(|o| o.id == op)?)))?;
        // One that belongs to no job is done where the part's first thread is.
        let member = of(op.job.as_ref()).or_else(|| of(setup.piece.as_ref())).or(members.first())?;
        let reckoned = reckoned_of(op, Some(member), &members);
        Some(OpTook { kind: op.kind, lathe: member.lathe.name.clone(), reckoned_min: reckoned.set + reckoned.each, took_min })
    }

    /// As it is shown, with every job whose pages show it.
    fn shown(&self, store: &Store) -> Result<Shown, Failed> {
        let (route, revision) = self.route(store)?;
        let members = self.members();
        let jobs = members
            .iter()
            .zip(&self.jobs)
            .map(|(m, (JobRow { id: own, .. }, ..))| RouteJob {
                id: m.job.to_owned(),
                title: m.title.to_owned(),
                thread: m.plan.thread.name.clone(),
                own: own.to_owned(),
            })
            .collect();
        let said = self.said(store, &route, &took(store)?)?;
        let view = RouteView { said, jobs, route, revision, owner: self.owner.clone(), left_out: self.left_out.clone(), may_add: may_add(self.voice) };
        Ok(Shown { view, of: self.jobs.iter().map(|(row, ..)| row.id.clone()).collect() })
    }
}

/// The jobs of the part of a batch a job belongs to, each under the name of the first part's, and the job its ticks are kept with.
fn of_its_part(parts: Vec<WholePart>, job: &JobRow) -> (Vec<(String, JobRow)>, String) {
    let names: Vec<String> = parts.first().map(|p| p.slots.iter().map(|s| s.as_ref().map_or_else(String::new, |j| j.id.clone())).collect()).unwrap_or_default();
    let Some(own) = parts.into_iter().find(|p| p.jobs().any(|j| j.id == job.id)) else { return (vec![(job.id.clone(), job.clone())], job.id.clone()) };
    let ticked = own.jobs().next().map_or_else(|| job.id.clone(), |j| j.id.clone());
    let called = |i: usize, row: &JobRow| names.get(i).filter(|n| !n.is_empty()).cloned().unwrap_or_else(|| row.id.clone());
    let rows = own.slots.into_iter().enumerate().filter_map(|(i, row)| row.map(|row| (called(i, &row), row))).collect();
    (rows, ticked)
}

struct Shown {
    view: RouteView,
    of: Vec<String>,
}

impl Shown {
    /// The answer to a change, told to every page that shows it.
    fn told(self, app: &App) -> Json<RouteView> {
        self.of.iter().for_each(|id| JobChanged::tell(app, id, 0, 0));
        Json(self.view)
    }
}

/// The route of the part a job belongs to.
#[utoipa::path(get, path = "/api/v1/jobs/{id}/route", params(("id" = String, Path)), responses((status = 200, body = RouteView), (status = 404, body = Problem)))]
pub async fn route(State(app): State<App>, voice: Asked, Path(id): Path<String>) -> Result<Json<RouteView>, Problem> {
    let shown = app.reckon(move |store| store.job(&id)?.map(|job| PlannedRoute::of(store, &job, voice)?.shown(store)).transpose()).await?;
    shown.map(|s| Json(s.view)).ok_or_else(|| Problem::missing("job"))
}

enum RouteSaved {
    Done(Box<Shown>),
    Stale(Box<Shown>),
    Faulty(Vec<Fault>),
    Missing,
}

/// Keeps a route as the user has it, under `If-Match: revision`; 0 while it is the app's own.
#[utoipa::path(put, path = "/api/v1/jobs/{id}/route", params(("id" = String, Path), ("If-Match" = String, Header)), request_body = Route,
    responses((status = 200, body = RouteView), (status = 404, body = Problem), (status = 409, body = Problem), (status = 422, body = Problem), (status = 428, body = Problem)))]
pub async fn put_route(
    State(app): State<App>,
    voice: Asked,
    Path(id): Path<String>,
    Revision(revision): Revision,
    Sent { read: route, faults }: Sent<Route>,
) -> Result<Json<RouteView>, Problem> {
    if !faults.is_empty() {
        return Err(Problem::faulty(faults));
    }
    let kept = app
        .reckon(move |store| {
            let Some(job) = store.job(&id)? else { return Ok(RouteSaved::Missing) };
            let ready = PlannedRoute::of(store, &job, voice)?;
            let faults = route.check(&ready.members().iter().map(|m| m.job).collect::<Vec<_>>(), voice.of_job(&job));
            if !faults.is_empty() {
                return Ok(RouteSaved::Faulty(faults));
            }
            Ok(match store.put_sheet(&ready.owner, KIND, revision, &serde_json::json!(route).to_string())? {
                Changed::Done(_) => RouteSaved::Done(Box::new(ready.shown(store)?)),
                Changed::Stale(_) | Changed::Missing => RouteSaved::Stale(Box::new(ready.shown(store)?)),
            })
        })
        .await?;
    match kept {
        RouteSaved::Done(shown) => Ok(shown.told(&app)),
        RouteSaved::Stale(now) => Err(Problem::stale("route", &now.view)),
        RouteSaved::Faulty(faults) => Err(Problem::faulty(faults)),
        RouteSaved::Missing => Err(Problem::missing("job")),
    }
}

/// Goes back to the route the app makes; what is ticked stays ticked.
#[utoipa::path(delete, path = "/api/v1/jobs/{id}/route", params(("id" = String, Path)), responses((status = 200, body = RouteView), (status = 404, body = Problem)))]
pub async fn drop_route(State(app): State<App>, voice: Asked, Path(id): Path<String>) -> Result<Json<RouteView>, Problem> {
    let shown = app
        .reckon(move |store| {
            let Some(job) = store.job(&id)? else { return Ok(None) };
            let ready = PlannedRoute::of(store, &job, voice)?;
            store.drop_sheet(&ready.owner, KIND)?;
            ready.shown(store).map(Some)
        })
        .await?;
    Ok(shown.ok_or_else(|| Problem::missing("job"))?.told(&app))
}

/// Whether an operation is done.
#[derive(Default, Deserialize, ToSchema)]
#[serde(default, deny_unknown_fields)]
pub struct TickBody {
    /// Done, or to do after all.
    done: bool,
    /// What it took, min, where that is told; kept with the tick, and what the next estimate of such work is made by.
    took_min: Option<f64>,
}

/// Ticks an operation, or takes the tick back; the same again changes nothing.
#[utoipa::path(put, path = "/api/v1/jobs/{id}/route/ops/{op}", params(("id" = String, Path), ("op" = String, Path)), request_body = TickBody,
    responses((status = 200, body = RouteView), (status = 404, body = Problem), (status = 422, body = Problem)))]
pub async fn tick(
    State(app): State<App>,
    voice: Asked,
    Path((id, op)): Path<(String, String)>,
    Sent { read: asked, mut faults }: Sent<TickBody>,
) -> Result<Json<RouteView>, Problem> {
    faults.extend(asked.took_min.and_then(|min| took_fault(min, "/took_min", voice.plain())));
    if asked.took_min.is_some() && !asked.done {
        faults.push(Fault::new("/took_min", say!(voice.plain(), "srv-took-when-done")));
    }
    if !faults.is_empty() {
        return Err(Problem::faulty(faults));
    }
    let now = (app.clock)();
    let shown = app
        .reckon(move |store| {
            let Some(job) = store.job(&id)? else { return Ok(None) };
            let ready = PlannedRoute::of(store, &job, voice)?;
            let (route, _) = ready.route(store)?;
            if !route.ops().any(|(_, o)| o.id == op) {
                return Ok(None);
            }
            let took = asked.took_min.and_then(|min| ready.took(&route, &op, min)).map(|t| json!(t).to_string());
            store.tick(&ready.ticked, &op, asked.done.then_some((now.as_str(), took.as_deref())))?;
            ready.shown(store).map(Some)
        })
        .await?;
    Ok(shown.ok_or_else(|| Problem::missing("operation"))?.told(&app))
}
