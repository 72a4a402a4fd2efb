//! Rehearse over HTTP: a try begun, judged by its own times, counted once, kept with its lathe.

use crate::common::Server;
use reqwest::{Method, StatusCode};
use serde_json::{Value, json};

const JOB: &str = "/api/v1/jobs/footbridge-tie-rod/rehearsal";

/// A try of a drill, the key so many seconds after the point is at the mark.
async fn tried(server: &Server, drill: &str, id: &str, late: f64) -> (StatusCode, Value) {
    let (status, sent) = server.post(&format!("{JOB}/{drill}"), json!({})).await;
    assert_eq!(status, StatusCode::OK, "{sent}");
    let mark = sent["stage"]["drawing"]["shapes"].as_array().unwrap().iter().find(|s| s["role"] == "setup.stop").unwrap()["line"][0][0].as_f64().unwrap();
    let runs = sent["stretches"].as_array().unwrap().iter().find(|s| s["along_mm"]["rate"] != 0.0).unwrap();
    let [from, at, rate] = [&runs["from_s"], &runs["along_mm"]["at"], &runs["along_mm"]["rate"]].map(|v| v.as_f64().unwrap());
    let keys = json!([{"at_s": from + (mark - at) / rate + late, "act": sent["acts"][0]["act"]}]);
    server.send(Method::PUT, &format!("{JOB}/{drill}/tries/{id}"), json!({"seed": sent["seed"], "keys": keys}), &[]).await
}

fn id(n: u32) -> String {
    format!("00000000-0000-4000-8000-{n:012}")
}

#[tokio::test]
async fn tries_are_judged_by_their_own_times_and_each_counts_once() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path(), &["--demo"]);
    let (status, view) = server.get(JOB).await;
    assert!(status == StatusCode::OK && view["drills"][0]["drill"] == "stop_spindle" && view["hands"] == json!([]), "{view}");
    // Opening the half-nut loses this thread: it is not to become a habit.
    assert!(!view["drills"].as_array().unwrap().iter().any(|d| d["drill"] == "stop_open"), "{view}");
    for n in 0..11 {
        let (status, answer) = tried(&server, "stop_spindle", &id(n), 0.3 + 0.01 * f64::from(n % 3)).await;
        assert!(status == StatusCode::OK && (answer["tried"]["late_s"].as_f64().unwrap() - 0.31).abs() < 0.02, "{answer}");
    }
    // The same again is the same try.
    let (_, answer) = tried(&server, "stop_spindle", &id(3), 0.4).await;
    assert_eq!(answer["hands"][0]["tries"], 9, "{answer}");
    // The first pass, slow, says nothing of the hand.
    let (_, answer) = tried(&server, "first_pass", &id(50), 0.3).await;
    assert_eq!(answer["hands"][0]["tries"], 9);
    // On the learner's path what is watched is done, and what is tried counts once it is over.
    let done = |view: &Value| view["path"].as_array().unwrap().iter().map(|t| t["done"] == true).collect::<Vec<_>>();
    assert_eq!(server.send(Method::PUT, &format!("{JOB}/stop_spindle/watched/right"), Value::Null, &[]).await.0, StatusCode::NO_CONTENT);
    let (status, problem) = server.send(Method::PUT, &format!("{JOB}/stop_spindle/watched/nothing"), Value::Null, &[]).await;
    assert_eq!(status, StatusCode::UNPROCESSABLE_ENTITY, "{problem}");
    let (_, view) = server.get(JOB).await;
    assert!(done(&view)[0] && !done(&view)[1] && view["path"].as_array().unwrap().len() == 10, "{view}");
    // Stops made at the lathe are a sample of their own; told again they are one, and what is no speed is named.
    for n in [60, 60, 61] {
        let body = json!({"past_mm": 1.2, "rpm": 60.0});
        let (status, view) = server.send(Method::PUT, &format!("{JOB}/stop_spindle/at-lathe/{}", id(n)), body, &[]).await;
        assert!(status == StatusCode::OK && view["hands"][0]["sample"] == "lathe_spindle", "{view}");
    }
    let (_, kept) = server.get("/api/v1/shop.json").await;
    let sheet = kept["sheets"].as_array().unwrap().iter().find(|s| s["kind"] == "rehearsed").unwrap();
    assert_eq!(sheet["body"]["lathe_spindle"].as_array().unwrap().len(), 2, "{sheet}");
    let (status, problem) = server.send(Method::PUT, &format!("{JOB}/stop_spindle/at-lathe/{}", id(70)), json!({"past_mm": 500.0, "rpm": 0.0}), &[]).await;
    assert!(status == StatusCode::UNPROCESSABLE_ENTITY && problem["faults"].as_array().unwrap().len() == 2, "{problem}");
    // They are the lathe's: another job on it knows them, and they go out with the shop and come in again.
    let (_, other) = server.get("/api/v1/jobs/paddle-screw-and-nut/rehearsal").await;
    assert!(other["hands"][1]["tries"] == 9 && other["hands"][1]["change"].is_null(), "{other}");
    let (_, mut shop) = server.get("/api/v1/shop.json").await;
    let at = shop["sheets"].as_array().unwrap().iter().position(|s| s["kind"] == "rehearsed").unwrap();
    assert_eq!(shop["sheets"][at]["owner"], "long-bed");
    let elsewhere = tempfile::tempdir().unwrap();
    let empty = Server::start(elsewhere.path(), &[]);
    let (status, took) = empty.post("/api/v1/shop.json", shop.clone()).await;
    assert_eq!(status, StatusCode::OK, "{took}");
    assert_eq!(empty.get(JOB).await.1["hands"][1]["tries"], 9);
    shop["sheets"][at]["owner"] = json!("nobody");
    let (status, problem) = empty.post("/api/v1/shop.json", shop).await;
    assert!(status == StatusCode::UNPROCESSABLE_ENTITY && problem["faults"][0]["pointer"] == format!("/sheets/{at}/owner"), "{problem}");
}

#[tokio::test]
async fn what_is_no_try_is_refused_by_its_field() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path(), &["--demo"]);
    let put = async |body: Value| server.send(Method::PUT, &format!("{JOB}/stop_spindle/tries/{}", id(1)), body, &[]).await;
    let many: Vec<Value> = (0..65).map(|i| json!({"at_s": i, "act": "stop"})).collect();
    for (body, pointer) in [
        (json!({"seed": 1, "keys": [{"at_s": -1, "act": "stop"}]}), "/keys/0/at_s"),
        (json!({"seed": 1, "keys": [{"at_s": 1e9, "act": "stop"}]}), "/keys/0/at_s"),
        (json!({"seed": 1, "keys": [{"at_s": 1, "act": "jump"}]}), "/keys/0/act"),
        (json!({"seed": 1, "keys": many}), "/keys"),
        (json!({"seed": -1}), "/seed"),
        (json!({"sead": 1}), "/sead"),
    ] {
        let (status, problem) = put(body.clone()).await;
        assert!(status == StatusCode::UNPROCESSABLE_ENTITY && problem["faults"][0]["pointer"] == pointer, "{body}: {problem}");
    }
    for path in ["/api/v1/jobs/nobody/rehearsal", "/api/v1/jobs/nobody/rehearsal/stop_open"] {
        assert_eq!(server.get(path).await.0, StatusCode::NOT_FOUND, "{path}");
    }
    assert!(server.get(&format!("{JOB}/juggle")).await.0.is_client_error());
    // A thread by a die has nothing to stop.
    let new = json!({"title": "Pin", "request": {"thread": {"callout": "M8"}, "lathe_id": "gap-bed", "making": {"by": "die"}}});
    let (_, job) = server.post("/api/v1/jobs", new).await;
    let (status, problem) = server.get(&format!("/api/v1/jobs/{}/rehearsal", job["id"].as_str().unwrap())).await;
    assert!(status == StatusCode::UNPROCESSABLE_ENTITY, "{problem}");
}
