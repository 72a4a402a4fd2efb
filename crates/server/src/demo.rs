//! The demo yard: Alder Reach, its lathes, its kit and its jobs.

use crate::jobs::{AddMember, join};
use serde_json::{Value, json};
use yoke_core::direction::Hand;
use yoke_core::job::Kit;
use yoke_core::log::ActKind;
use yoke_store::{ActRow, Frozen, Store};

/// Lays the yard out in an empty store; a store with jobs is left as it is.
pub fn fill(store: &Store, clock: crate::state::Clock) -> Result<(), String> {
    if !store.jobs().map_err(text)?.is_empty() {
        return Ok(());
    }
    let yard: Value = serde_json::from_str(include_str!("../../core/data/alder_reach.json")).map_err(text)?;
    for lathe in list(&yard, "lathes") {
        store.put_lathe(lathe["id"].as_str().unwrap_or_default(), &lathe.to_string()).map_err(text)?;
    }
    store.put_kit(&serde_json::to_string(&Kit::alder_reach()).map_err(text)?).map_err(text)?;
    // Listed newest first on the board, so the yard's own order is kept by going backwards.
    for job in list(&yard, "jobs").iter().rev() {
        add(store, job, clock)?;
    }
    Ok(())
}

fn list<'a>(yard: &'a Value, name: &str) -> &'a [Value] {
    yard[name].as_array().map_or(&[], Vec::as_slice)
}

fn text(error: impl std::fmt::Display) -> String {
    error.to_string()
}

/// Adds a job of the yard.
fn add(store: &Store, job: &Value, clock: crate::state::Clock) -> Result<(), String> {
    let title = job["title"].as_str().unwrap_or("A job");
    // Titles are unique in the yard, so they make stable ids.
    let id = title.to_lowercase().replace([' ', ','], "-");
    let Some(callout) = job["thread"].as_str() else {
        let request = json!({ "sample": job["sample"], "lathe_id": job["lathe"] });
        return store.add_job(&id, title, &request.to_string(), &clock()).map_err(text);
    };
    let mut request = json!({
        "thread": { "callout": callout, "length_mm": job["length_mm"] },
        "blank": { "material": job["material"] },
        "lathe_id": job["lathe"],
    });
    if job["shoulder"] == true || job["blind"] == true {
        request["blank"]["shoulder"] = json!(true);
    }
    let part_cut = job["state"] == "seven passes cut";
    if part_cut {
        // What stood on the bench when the first pass was cut.
        request["blank"]["diameter_mm"] = json!(19.85);
        request["bit"] = json!({ "tip_flat_mm": 0.32 });
    }
    if part_cut {
        // What else was seen to before the first chip: how far it stands out, on its centre, and the bit ground to the shoulder side.
        request["blank"]["stick_out_mm"] = json!(75);
        request["blank"]["support"] = json!("centre");
        request["bit"]["body_ahead_mm"] = json!(3);
    }
    let planned = if part_cut { crate::acts::begun(store, request.clone()) } else { crate::planning::plan_with_store(store, request.clone()) };
    let Ok(plan) = planned.map_err(text)? else { return Ok(()) };
    store.add_job(&id, title, &request.to_string(), &clock()).map_err(text)?;
    if job["members"] == "pair" {
        let nut = AddMember { mate: true, material: job["mate_material"].as_str().map(str::to_owned), ..AddMember::default() };
        join(store, &id, nut, &clock()).map_err(text)?;
    }
    if let Some(hands) = job["hands"].as_array() {
        let hands: Vec<Hand> = hands.iter().filter_map(|h| serde_json::from_value(h.clone()).ok()).collect();
        crate::batch::make_of(store, &id, i64::try_from(hands.len()).unwrap_or(0), &hands, &clock()).map_err(text)?;
    }
    if part_cut {
        let frozen =
            Frozen { plan: serde_json::to_string(&plan).map_err(text)?, run: serde_json::to_string(&plan.run).map_err(text)?, engine: plan.engine.to_owned() };
        // The scratch is not a pass that cuts to size: seven cutting passes come after it.
        for (i, pass) in plan.run.passes.iter().take(8).enumerate() {
            let body = serde_json::to_string(&ActKind::PassDone { n: pass.n, radial_mm: pass.radial_mm }).map_err(text)?;
            let act = ActRow { id: format!("demo-{i}"), sequence: 0, body, happened: clock(), recorded: clock(), source: "demo".into(), seen: 0 };
            store.record(&id, &act, Some(&frozen)).map_err(text)?;
        }
    }
    Ok(())
}
