//! The demo yard: Alder Reach, its lathes, its kit and its jobs.

use crate::members::{AddMember, join};
use crate::planning::{FirstPlan, Inputs};
use crate::voice::Asked;
use serde_json::{Value, json};
use yoke_core::direction::Hand;
use yoke_core::job::Kit;
use yoke_core::log::ActKind;
use yoke_core::run::RunPlan;
use yoke_store::{ActRow, NewAct, Store};

/// Lays the yard out in an empty store; one that holds a job or a lathe is left as it is. Whether it was laid out.
pub fn fill(store: &Store, clock: crate::state::Clock) -> Result<bool, String> {
    if !store.jobs().map_err(text)?.is_empty() || !store.lathes().map_err(text)?.is_empty() {
        return Ok(false);
    }
    let yard: Value = serde_json::from_str(include_str!("../../core/data/alder_reach.json")).map_err(text)?;
    for lathe in list(&yard, "lathes") {
        store.put_lathe(lathe["id"].as_str().unwrap_or_default(), &lathe.to_string()).map_err(text)?;
    }
    store.put_kit(&serde_json::to_string(&Kit::alder_reach()).map_err(text)?).map_err(text)?;
    if let Some(begun) = list(&yard, "jobs").iter().find(|job| part_cut(job)) {
        hang(store, begun)?;
    }
    // Listed newest first on the board, so the yard's own order is kept by going backwards.
    for job in list(&yard, "jobs").iter().rev() {
        add(store, job, clock)?;
    }
    Ok(true)
}

fn list<'a>(yard: &'a Value, name: &str) -> &'a [Value] {
    yard[name].as_array().map_or(&[], Vec::as_slice)
}

fn text(error: impl std::fmt::Display) -> String {
    error.to_string()
}

/// Whether some of its passes are cut already.
fn part_cut(job: &Value) -> bool {
    job["state"] == "seven passes cut"
}

/// What is told of a job of the yard.
fn request_of(job: &Value, callout: &str) -> Value {
    let mut request = json!({
        "thread": { "callout": callout, "length_mm": job["length_mm"] },
        "blank": { "material": job["material"] },
        "lathe_id": job["lathe"],
    });
    if job["shoulder"] == true || job["blind"] == true {
        request["blank"]["shoulder"] = json!(true);
    }
    if part_cut(job) {
        // What stood on the bench when the first pass was cut.
        request["blank"]["diameter_mm"] = json!(19.85);
        request["bit"] = json!({ "tip_flat_mm": 0.32 });
        // What else was seen to before the first chip: how far it stands out, on its centre, and the bit ground to the shoulder side.
        request["blank"]["stick_out_mm"] = json!(75);
        request["blank"]["support"] = json!("centre");
        request["bit"]["body_ahead_mm"] = json!(3);
    }
    request
}

/// Hangs the gears of the job that is begun, before there are others on its lathe.
fn hang(store: &Store, job: &Value) -> Result<(), String> {
    let inputs = Inputs::of(store, request_of(job, job["thread"].as_str().unwrap_or_default()), &[], Asked::default()).map_err(text)?;
    if let Ok(FirstPlan { mounted: Some((lathe, profile)), .. }) = inputs.begun() {
        store.put_lathe(&lathe, &profile).map_err(text)?;
    }
    Ok(())
}

/// Adds a job of the yard.
fn add(store: &Store, job: &Value, clock: crate::state::Clock) -> Result<(), String> {
    let title = job["title"].as_str().unwrap_or("A job");
    // Titles are unique in the yard, so they make stable ids.
    let id = title.to_lowercase().replace([' ', ','], "-");
    let Some(callout) = job["thread"].as_str() else {
        let request = json!({ "sample": job["sample"], "lathe_id": job["lathe"] });
        return store.add_job(&id, title, &request.to_string(), &clock()).map(|_| ()).map_err(text);
    };
    let request = request_of(job, callout);
    if crate::planning::plan_with_store(store, request.clone(), Asked::default()).map_err(text)?.is_err() {
        return Ok(());
    }
    store.add_job(&id, title, &request.to_string(), &clock()).map_err(text)?;
    if job["members"] == "pair" {
        let nut = AddMember { mate: true, material: job["mate_material"].as_str().map(str::to_owned), ..AddMember::default() };
        join(store, &id, &nut, &clock(), Asked::default()).map_err(text)?;
    }
    if let Some(hands) = job["hands"].as_array() {
        let hands: Vec<Hand> = hands.iter().filter_map(|h| serde_json::from_value(h.clone()).ok()).collect();
        crate::batch::make_of(store, &id, i64::try_from(hands.len()).unwrap_or(0), &hands, &clock(), Asked::default()).map_err(text)?;
    }
    if part_cut(job) {
        // The scratch is not a pass that cuts to size: seven cutting passes come after it.
        begin(store, &id, 8, clock)?;
    }
    Ok(())
}

/// Cuts the first passes of a job.
fn begin(store: &Store, id: &str, passes: usize, clock: crate::state::Clock) -> Result<(), String> {
    let Some(job) = store.job(id).map_err(text)? else { return Ok(()) };
    let Ok(begun) = crate::acts::begun(store, &job).map_err(text)? else { return Ok(()) };
    let run: RunPlan = serde_json::from_str(&begun.frozen.run).map_err(text)?;
    for (after, pass) in (0_i64..).zip(run.passes.iter().take(passes)) {
        let body = serde_json::to_string(&ActKind::PassDone { n: pass.n, radial_mm: pass.radial_mm }).map_err(text)?;
        let row = ActRow { id: format!("demo-{after}"), sequence: 0, body, happened: clock(), recorded: clock(), source: "demo".into(), seen: after };
        let act = NewAct { row: &row, revision: None, after, begins: Some(&begun), moves_mate: false };
        store.record(id, &act).map_err(text)?;
    }
    Ok(())
}
