//! Readings one after another, the gauge sheet and trouble, over HTTP on a real database.

use crate::common::Server;
use reqwest::{Method, StatusCode};
use serde_json::{Value, json};

fn cut(n: u32, radial: f64) -> Value {
    json!({ "act": { "kind": "pass_done", "n": n, "radial_mm": radial } })
}

#[tokio::test]
async fn readings_told_in_order_are_judged_together_and_each_fault_is_named() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path(), &["--demo"]);
    let request = json!({"thread": {"callout": "M20x2.5-6g"}, "lathe_id": "long-bed", "bit": {"tip_flat_between_mm": [0.2, 0.42]}});
    let (_, plan) = server.post("/api/v1/plan", request.clone()).await;
    let run = &plan["run"];
    let deep = run["passes"].as_array().unwrap().last().unwrap()["radial_mm"].as_f64().unwrap();
    let high = run["limits_mm"][1].as_f64().unwrap();
    let judge = |readings: Value| server.post("/api/v1/gauge", json!({"plan": request, "readings": readings}));
    let first = json!({"pitch_diameter_mm": high + 0.28, "at_radial_mm": deep});
    let (_, one) = judge(json!([first])).await;
    let next = one["next"]["radial_mm"].as_f64().unwrap();
    // The second deeper, and a quarter of the cut sprung away.
    let left = high + 0.28 - 1.45 * (next - deep);
    let second = json!({"pitch_diameter_mm": left, "at_radial_mm": next});
    let (status, both) = judge(json!([first, second])).await;
    assert_eq!((status, both["verdict"].as_str()), (StatusCode::OK, Some("take_more")), "{both}");
    assert!((both["pitch_diameter_mm"]["value"].as_f64().unwrap() - left).abs() < 1e-9);
    let (_, alone) = judge(json!([second])).await;
    assert!(alone["verdict"] == "unsure" && !alone["questions"].as_array().unwrap().is_empty(), "without the first, the second cannot be right: {alone}");
    // A wire of another size, one wire, and places along.
    let (_, other) = judge(json!([{"over_wires_mm": 22.0, "wire_mm": 1.6, "at_radial_mm": deep, "places": [{"mm": 22.01, "along_mm": 30}]}])).await;
    assert!(other["shape"]["taper_mm"].as_f64().unwrap() > 0.0, "{other}");
    for (reading, pointer) in [
        (json!({"over_wires_mm": 22.0, "wire_mm": 0.5}), "/readings/0/wire_mm"),
        (json!({"between_balls_mm": 17.0, "balls": 3, "wire_mm": 1.5}), "/readings/0/between_balls_mm"),
        (json!({"over_wires_mm": 22.0, "places": [{"mm": -1}]}), "/readings/0/places"),
        (json!({"over_wire_mm": 22.0}), "/readings/0/over_wire_mm"),
        (json!({"fit": "snug"}), "/readings/0/fit"),
        (json!({"pitch_diameter_mm": 18.2, "at_radial_mm": 400}), "/readings/0/at_radial_mm"),
        (json!({"pitch_diameter_mm": 18.2, "turns": 2}), "/readings/0/turns"),
        (json!(7), "/readings/0"),
    ] {
        let (status, problem) = judge(json!([reading])).await;
        let told = problem["faults"][0]["pointer"].as_str().unwrap_or_default().to_owned();
        assert_eq!((status, told.as_str()), (StatusCode::UNPROCESSABLE_ENTITY, pointer), "{reading}: {problem}");
    }
}

#[tokio::test]
async fn the_gauge_sheet_and_trouble_follow_the_job_and_its_acts() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path(), &["--demo"]);
    let (_, job) = server.post("/api/v1/jobs", json!({"callout": "M20x2.5-6g", "lathe_id": "long-bed"})).await;
    let path = format!("/api/v1/jobs/{}", job["id"].as_str().unwrap());
    let (_, sheet) = server.get(&format!("{path}/gauge")).await;
    let wires = sheet["wires"].as_array().unwrap();
    assert!(wires[0]["serves"] == true && wires.iter().any(|w| w["serves"] == false && !w["why"].as_str().unwrap().is_empty()), "{sheet}");
    assert!(sheet["range"]["says"].as_str().unwrap().contains("bear on the flanks") && sheet["holding"].as_array().unwrap().len() > 2);
    let over = |w: &Value| w["over_mm"]["target"]["value"].as_f64().unwrap();
    let one = wires[0]["over_one_mm"]["target"]["value"].as_f64().unwrap();
    assert!((2.0 * one - job["plan"]["run"]["start_mm"].as_f64().unwrap() - over(&wires[0])).abs() < 1e-6, "M1 is half of M and the outside");
    let (_, bore) = server.post("/api/v1/jobs", json!({"callout": "M36x1.5-6H", "lathe_id": "gap-bed"})).await;
    let (_, balls) = server.get(&format!("/api/v1/jobs/{}/gauge", bore["id"].as_str().unwrap())).await;
    assert!(balls["wires"].as_array().unwrap().is_empty() && !balls["balls"].as_array().unwrap().is_empty(), "{balls}");

    // Trouble: the whole sheet before the first pass, then what is told of it is kept and ranks.
    let (_, before) = server.get(&format!("{path}/trouble")).await;
    assert_eq!(before["symptoms"].as_array().unwrap().len(), 16);
    let tell = async |id: &str, act: Value| server.send(Method::PUT, &format!("{path}/acts/{id}"), json!({ "act": act }), &[]).await;
    let (status, refused) = tell("x", json!({"kind": "trouble", "symptom": "loose", "cause": "ghosts", "found": true})).await;
    assert_eq!((status, refused["faults"][0]["pointer"].as_str()), (StatusCode::UNPROCESSABLE_ENTITY, Some("/act/cause")));
    let passes = job["plan"]["run"]["passes"].as_array().unwrap().clone();
    for (i, p) in passes.iter().enumerate() {
        let put = server.send(Method::PUT, &format!("{path}/acts/p{i}"), cut(u32::try_from(i).unwrap(), p["radial_mm"].as_f64().unwrap()), &[]).await;
        assert_eq!(put.0, StatusCode::OK);
    }
    let high = job["plan"]["run"]["limits_mm"][1].as_f64().unwrap();
    // A wire that cannot bear is refused by its field, and nothing is recorded.
    let (status, refused) = tell("w", json!({"kind": "measured", "over_wires_mm": 21.0, "wire_mm": 0.4})).await;
    assert_eq!((status, refused["faults"][0]["pointer"].as_str()), (StatusCode::UNPROCESSABLE_ENTITY, Some("/act/wire_mm")), "{refused}");
    let (status, _) = tell("m", json!({"kind": "measured", "pitch_diameter_mm": high + 0.06})).await;
    assert_eq!(status, StatusCode::OK);
    let (_, after) = server.get(&format!("{path}/trouble")).await;
    assert!(after["shown"].as_array().unwrap().iter().any(|c| c == "metal_left"), "{}", after["shown"]);
    let (status, told) = tell("t", json!({"kind": "trouble", "symptom": "wont_start", "cause": "metal_left", "found": false})).await;
    assert_eq!((status, told["run"]["stands_mm"].as_f64() > Some(0.0)), (StatusCode::OK, true));
    let (_, ruled) = server.get(&format!("{path}/trouble")).await;
    let first = ruled["symptoms"][0]["causes"].as_array().unwrap();
    assert!(first.last().unwrap() == "metal_left" && ruled["told"] == "wont_start" && !ruled["shown"].as_array().unwrap().iter().any(|c| c == "metal_left"));
}
