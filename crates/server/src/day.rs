//! The day's order: jobs of the board put so that gears, levers, compound and bit are changed least.

use crate::app::App;
use crate::jobs::planned_json;
use crate::planning::body_json;
use crate::problem::Problem;
use axum::Json;
use axum::body::Bytes;
use axum::extract::State;
use serde::{Deserialize, Serialize};
use serde_json::Value;
use utoipa::ToSchema;
use yoke_core::gears::{Day, DayJob, Setting, day_order};
use yoke_core::job::{Fault, LatheProfile, Mounted, read_json};
use yoke_store::{Store, StoreError};

/// The jobs of a day.
#[derive(Default, Deserialize, ToSchema)]
#[serde(default, deny_unknown_fields)]
pub struct DayBody {
    /// Their ids, in the order they stand now; the whole board when empty.
    jobs: Vec<String>,
}

/// The day in order, and what could not be put in it.
#[derive(Serialize, ToSchema)]
pub struct DaySaid {
    /// The order.
    #[serde(flatten)]
    day: Day,
    /// Jobs left out, by title: no thread yet, no train, or finished.
    left_out: Vec<String>,
}

/// More jobs than this are no day.
const MOST: usize = 60;

/// Puts jobs in the order that changes least.
#[utoipa::path(post, path = "/api/v1/day", request_body = DayBody, responses((status = 200, body = DaySaid), (status = 422, body = Problem)))]
pub async fn day(State(app): State<App>, body: Bytes) -> Result<Json<DaySaid>, Problem> {
    let (asked, mut faults) = read_json::<DayBody>(body_json(&body)?);
    if asked.jobs.len() > MOST {
        faults.push(Fault::new("/jobs", format!("{} jobs are too many for a day; {MOST} at most", asked.jobs.len())));
    }
    if !faults.is_empty() {
        return Err(Problem::faulty(faults));
    }
    app.with_store(move |store| put(store, asked.jobs)).await?.map(Json).map_err(Problem::faulty)
}

fn put(store: &Store, ids: Vec<String>) -> Result<Result<DaySaid, Vec<Fault>>, StoreError> {
    let rows = store.jobs()?;
    let mut chosen = Vec::new();
    let mut faults = Vec::new();
    if ids.is_empty() {
        chosen.extend(rows.iter().take(MOST));
    }
    for (i, id) in ids.iter().enumerate() {
        match rows.iter().find(|r| r.id == *id) {
            Some(row) if chosen.iter().any(|c: &&yoke_store::JobRow| c.id == row.id) => {
                faults.push(Fault::new(format!("/jobs/{i}"), format!("“{id}” is named twice")))
            }
            Some(row) => chosen.push(row),
            None => faults.push(Fault::new(format!("/jobs/{i}"), format!("there is no job “{id}” on the board"))),
        }
    }
    if !faults.is_empty() {
        return Ok(Err(faults));
    }
    let (mut jobs, mut left_out) = (Vec::new(), Vec::new());
    for row in chosen {
        match planned_json(store, row)?.as_ref().and_then(|(plan, finished)| if *finished { None } else { setting(plan) }) {
            Some((lathe, setting)) => jobs.push(DayJob { id: row.id.clone(), title: row.title.clone(), lathe, setting }),
            None => left_out.push(row.title.clone()),
        }
    }
    let profiles: Vec<LatheProfile> = store.lathes()?.iter().filter_map(|l| serde_json::from_str(&l.body).ok()).collect();
    let now = |name: &str| {
        let on = profiles.iter().find(|p| p.name.as_deref() == Some(name)).and_then(|p| p.mounted.clone()).unwrap_or_default();
        let teeth = |list: Option<Vec<i64>>| list.unwrap_or_default().into_iter().filter_map(|t| u16::try_from(t).ok()).collect();
        Setting { train: Mounted { drivers: teeth(on.drivers), driven: teeth(on.driven) }, ..Setting::default() }
    };
    Ok(Ok(DaySaid { day: day_order(&jobs, &now), left_out }))
}

/// What a plan needs set, and the lathe it is for.
fn setting(plan: &Value) -> Option<(String, Setting)> {
    let train = plan.pointer("/gears/hung/train")?;
    let teeth = |side: &str| train[side].as_array().into_iter().flatten().filter_map(|t| u16::try_from(t.as_u64()?).ok()).collect();
    Some((
        plan.pointer("/gears/lathe")?.as_str()?.to_owned(),
        Setting {
            train: Mounted { drivers: teeth("drivers"), driven: teeth("driven") },
            gearbox: train["gearbox"].as_str().unwrap_or_default().to_owned(),
            compound_deg: plan.pointer("/cut/angle_deg").and_then(Value::as_f64).filter(|a| *a > 0.0),
            bit_deg: plan.pointer("/thread/half_angle_deg").and_then(Value::as_f64).map(|a| 2.0 * a),
        },
    ))
}
