//! The shop: what is reckoned of its lathes, the kit, materials, and the rules' texts.

use crate::body::Sent;
use crate::download::{CSV, saved_as};
use crate::lathes::{profile, stored};
use crate::problem::Problem;
use crate::state::{App, JobChanged};
use crate::stored::{self, carried};
use crate::voice::Asked;
use axum::Json;
use yoke_core::say;

use axum::extract::{Path, Query, State};
use axum::response::IntoResponse;
use serde::Deserialize;
use serde_json::json;
use std::sync::Arc;
use utoipa::IntoParams;
use yoke_core::csv_out;
use yoke_core::faults::Fault;
use yoke_core::gears::{ChartRow, Purchases, TrainRow, TrialRequest, TrialView, chart_while, pitches_wanted, purchases_while, standard_pitches};
use yoke_core::job::pad::{FeedChoice, feeds_said};
use yoke_core::job::{Kit, Material, PlanRequest, PlateRead, PlateRequest, checked, materials as all_materials, settle};
use yoke_core::kit::{OwnMaterial, TriedRequest, TriedView, not_known};
use yoke_core::quantity::{LengthUnit, real};
use yoke_core::rulebook::rules as all_rules;
use yoke_core::shop::{WrittenDrawer, put_written, written};

use yoke_core::voice::Voice;
use yoke_core::working::Rule;

/// The pitch chart of a lathe: every standard pitch, its best train, and when the half-nut may open.
#[utoipa::path(get, path = "/api/v1/lathes/{id}/chart", params(("id" = String, Path)), responses((status = 200, body = Vec<ChartRow>), (status = 404, body = Problem)))]
pub async fn chart(State(app): State<App>, voice: Asked, Path(id): Path<String>) -> Result<Json<Vec<ChartRow>>, Problem> {
    Ok(Json(charted(&app, id, voice.plain()).await?.to_vec()))
}

/// The chart of a lathe: kept by what the lathe is, made off the threads that answer others, and given up when its asker goes.
async fn charted(app: &App, id: String, voice: Voice) -> Result<Arc<[ChartRow]>, Problem> {
    let profile = profile(app, id).await?;
    let lathe = checked(&profile, voice).map_err(Problem::faulty)?.lathe;
    let key = json!([profile, voice.unit, voice.words]).to_string();
    if let Some(chart) = app.charts.of(&key) {
        return Ok(chart);
    }
    let made = app.reckon_long(move |waited_for| chart_while(&lathe, waited_for, voice)).await?;
    let made: Arc<[ChartRow]> = made.ok_or_else(|| Problem::internal(say!(Voice::default(), "srv-chart-given-up")))?.into();
    app.charts.keep(key, &made);
    Ok(made)
}

/// Reads the gearbox from its plate: the ratio of every lever position, and cells that do not fit the rest.
#[utoipa::path(post, path = "/api/v1/lathes/{id}/plate", params(("id" = String, Path)), request_body = PlateRequest, responses((status = 200, body = PlateRead), (status = 404, body = Problem), (status = 422, body = Problem)))]
pub async fn plate(
    State(app): State<App>,
    voice: Asked,
    Path(id): Path<String>,
    Sent { read: asked, faults }: Sent<PlateRequest>,
) -> Result<Json<PlateRead>, Problem> {
    let profile = profile(&app, id).await?;
    if faults.is_empty() { asked.read(&profile, voice.plain()).map(Json).map_err(Problem::faulty) } else { Err(Problem::faulty(faults)) }
}

/// Works out the fixed ratio and the dial's teeth from a minute's trial.
#[utoipa::path(post, path = "/api/v1/lathes/{id}/trial", params(("id" = String, Path)), request_body = TrialRequest, responses((status = 200, body = TrialView), (status = 404, body = Problem), (status = 422, body = Problem)))]
pub async fn trial(
    State(app): State<App>,
    voice: Asked,
    Path(id): Path<String>,
    Sent { read: asked, faults }: Sent<TrialRequest>,
) -> Result<Json<TrialView>, Problem> {
    let profile = profile(&app, id).await?;
    if faults.is_empty() { asked.read(&profile, voice.plain()).map(Json).map_err(Problem::faulty) } else { Err(Problem::faulty(faults)) }
}

/// Which pitches a purchase is for.
#[derive(Deserialize, IntoParams)]
#[into_params(parameter_in = Query)]
pub struct PurchaseQuery {
    /// Metric pitches or inch ones; of a list, the unit of a number alone.
    unit: LengthUnit,
    /// A list of one's own, such as `1.25 mm, 11.5 TPI, 2 x 5 TPI`, in place of the usual pitches.
    pitches: Option<String>,
    /// The error allowed, parts per million; left out, only an exact train will do.
    within_ppm: Option<f64>,
}

/// Most error that may be allowed: a thousandth is felt by any nut.
const MOST_PPM: f64 = 1000.0;

/// Pitches a purchase is sought for, mm: finer and coarser ones are seldom single-pointed.
const BOUGHT_MM: std::ops::RangeInclusive<f64> = 0.5..=6.5;

/// Gears to make or buy, so that the usual pitches, or those listed, are cut exactly or with no more error than is allowed.
#[utoipa::path(get, path = "/api/v1/lathes/{id}/purchases", params(("id" = String, Path), PurchaseQuery), responses((status = 200, body = Purchases), (status = 404, body = Problem), (status = 422, body = Problem)))]
pub async fn buy(State(app): State<App>, voice: Asked, Path(id): Path<String>, Query(asked): Query<PurchaseQuery>) -> Result<Json<Purchases>, Problem> {
    let lathe = stored(&app, id).await?;
    let within_ppm = asked.within_ppm.unwrap_or(0.0);
    if !(0.0..=MOST_PPM).contains(&within_ppm) {
        return Err(Problem::faulty(vec![Fault::new("/within_ppm", say!(voice.plain(), "buy-within-wrong", most = MOST_PPM.to_string()))]));
    }
    let usual = || standard_pitches().into_iter().filter(|(_, unit, lead)| *unit == asked.unit && BOUGHT_MM.contains(&real(lead)));
    let wanted = match &asked.pitches {
        Some(list) => pitches_wanted(list, asked.unit, voice.plain()).map_err(|why| Problem::faulty(vec![Fault::new("/pitches", why)]))?,
        None => usual().map(|(name, _, lead)| (name, lead)).collect(),
    };
    // Some seconds on a large drawer: not on the thread that answers others.
    app.reckon_long(move |waited_for| purchases_while(&lathe, &wanted, within_ppm / 1e6, waited_for, voice.plain())).await.map(Json)
}

/// The same as CSV.
#[utoipa::path(get, path = "/api/v1/lathes/{id}/chart.csv", params(("id" = String, Path)), responses((status = 200, body = String, content_type = "text/csv"), (status = 404, body = Problem)))]
pub async fn chart_csv(State(app): State<App>, voice: Asked, Path(id): Path<String>) -> Result<impl IntoResponse, Problem> {
    let chart = charted(&app, id, voice.plain()).await?;
    let teeth = |list: &[u16]| list.iter().map(u16::to_string).collect::<Vec<_>>().join(" ");
    let head = ["pitch", "pitch_mm", "drivers", "driven", "idlers", "gearbox", "error_ppm", "fits", "changes", "half_nut"];
    let mut rows = vec![head.map(str::to_owned).to_vec()];
    rows.extend(chart.iter().map(|row| {
        let of = |pick: &dyn Fn(&TrainRow) -> String| row.train.as_ref().map_or_else(String::new, pick);
        vec![
            row.pitch.clone(),
            format!("{:.6}", row.pitch_mm),
            of(&|t| teeth(&t.drivers)),
            of(&|t| teeth(&t.driven)),
            of(&|t| teeth(&t.idlers)),
            of(&|t| t.gearbox.clone()),
            of(&|t| t.error_ppm.to_string()),
            of(&|t| t.fits.map_or("likely; the arm was not told", |f| if f { "yes" } else { "no" }).to_owned()),
            of(&|t| t.swaps.to_string()),
            row.dial_says.clone(),
        ]
    }));
    let bytes = csv_out::sheet(&rows);
    Ok(saved_as("pitch-chart.csv", CSV, bytes))
}

/// The kit as it is kept; an empty one till something is told of it.
async fn kept_kit(app: &App) -> Result<Kit, Problem> {
    Ok(app.with_store(stored::kit).await?.map_or_else(Kit::default, |k| k.read))
}

/// The kit; an empty one till something is told of it.
#[utoipa::path(get, path = "/api/v1/kit", responses((status = 200, body = Kit)))]
pub async fn kit(State(app): State<App>) -> Result<Json<Kit>, Problem> {
    Ok(Json(kept_kit(&app).await?))
}

/// What is wrong with a kit, each fault by its field.
fn faults_of(kit: &Kit, faults: Vec<Fault>, voice: Voice) -> Result<Vec<Fault>, Problem> {
    let trial: PlanRequest = serde_json::from_value(json!({ "thread": { "callout": "M20" } }))?;
    Ok(match settle(&PlanRequest { kit: Some(kit.clone()), ..trial }.spoken(voice), None, faults) {
        Err(faults) => faults.into_iter().map(|f| Fault::new(f.pointer.replacen("/kit", "", 1), f.detail)).collect(),
        Ok(_) => Vec::new(),
    })
}

/// Keeps a kit that is sound.
async fn keep_kit(app: &App, kit: &Kit) -> Result<(), Problem> {
    let told = json!(kit);
    app.with_store(move |s| {
        // One that does not read is replaced by what is told now; fields of a newer version stay.
        let told = match stored::apart(stored::kit(s))? {
            Ok(Some(before)) => carried(&before, told),
            Ok(None) | Err(_) => told,
        };
        Ok(s.put_kit(&told.to_string())?)
    })
    .await?;
    JobChanged::tell_all(app);
    Ok(())
}

/// Replaces the kit.
#[utoipa::path(put, path = "/api/v1/kit", request_body = Kit, responses((status = 200, body = Kit), (status = 422, body = Problem)))]
pub async fn put_kit(State(app): State<App>, voice: Asked, Sent { read: kit, faults }: Sent<Kit>) -> Result<Json<Kit>, Problem> {
    let faults = faults_of(&kit, faults, voice.plain())?;
    if !faults.is_empty() {
        return Err(Problem::faulty(faults));
    }
    keep_kit(&app, &kit).await?;
    Ok(Json(kit))
}

/// Drills, wires and micrometers of the drawer as they would be written, a thing a line.
#[utoipa::path(get, path = "/api/v1/kit/written", responses((status = 200, body = WrittenDrawer)))]
pub async fn kit_written(State(app): State<App>, voice: Asked) -> Result<Json<WrittenDrawer>, Problem> {
    let kit = kept_kit(&app).await?;
    Ok(Json(written(&kit, voice.plain())))
}

/// Puts what is written in place of what the drawer held of it; what is left out stands.
#[utoipa::path(put, path = "/api/v1/kit/written", request_body = WrittenDrawer, responses((status = 200, body = WrittenDrawer), (status = 422, body = Problem)))]
pub async fn put_kit_written(
    State(app): State<App>,
    voice: Asked,
    Sent { read: lines, mut faults }: Sent<WrittenDrawer>,
) -> Result<Json<WrittenDrawer>, Problem> {
    let mut kit = kept_kit(&app).await?;
    faults.extend(put_written(&mut kit, &lines, voice.plain()).err().into_iter().flatten());
    if faults.is_empty() {
        faults = faults_of(&kit, faults, voice.plain())?;
    }
    if !faults.is_empty() {
        return Err(Problem::faulty(faults));
    }
    keep_kit(&app, &kit).await?;
    Ok(Json(written(&kit, voice.plain())))
}

/// Materials and their starting values: the user's own, then those of the table, then one nobody knows.
#[utoipa::path(get, path = "/api/v1/materials", responses((status = 200, body = Vec<Material>)))]
pub async fn materials(State(app): State<App>, voice: Asked) -> Result<Json<Vec<Material>>, Problem> {
    let kit = kept_kit(&app).await?;
    let own = kit.materials.iter().filter_map(OwnMaterial::whole);
    let (unknown, _) = not_known(&TriedRequest::default(), voice.plain());
    Ok(Json(own.chain(all_materials().iter().cloned()).chain([unknown]).collect()))
}

/// What magnet, file, spark and swarf say of a material nobody knows.
#[utoipa::path(post, path = "/api/v1/materials/tried", request_body = TriedRequest, responses((status = 200, body = TriedView), (status = 422, body = Problem)))]
pub async fn tried(voice: Asked, Sent { read: tried, faults }: Sent<TriedRequest>) -> Result<Json<TriedView>, Problem> {
    if faults.is_empty() { Ok(Json(not_known(&tried, voice.plain()).1)) } else { Err(Problem::faulty(faults)) }
}

/// The facts a sum of the bench pad may feed.
#[utoipa::path(get, path = "/api/v1/feeds", responses((status = 200, body = Vec<FeedChoice>)))]
pub async fn feeds(voice: Asked) -> Json<[FeedChoice; 11]> {
    Json(feeds_said(voice.plain()))
}

/// The rules' texts, fetched once.
#[utoipa::path(get, path = "/api/v1/rules", responses((status = 200, body = Vec<Rule>)))]
pub async fn rules() -> Json<Vec<&'static Rule>> {
    Json(all_rules())
}
