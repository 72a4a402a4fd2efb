//! Threads made by die or tap over HTTP: planned, begun, gone over again, proven, and nothing of a single point asked or answered.

use crate::common::Server;
use reqwest::{Method, StatusCode};
use serde_json::{Value, json};

async fn made(server: &Server, title: &str, request: Value) -> String {
    let (status, job) = server.post("/api/v1/jobs", json!({"title": title, "request": request})).await;
    assert_eq!(status, StatusCode::CREATED, "{job}");
    job["id"].as_str().unwrap().to_owned()
}

async fn act(server: &Server, job: &str, id: &str, act: Value) -> (StatusCode, Value) {
    server.send(Method::PUT, &format!("/api/v1/jobs/{job}/acts/{id}"), json!({ "act": act }), &[]).await
}

#[tokio::test]
async fn a_pin_is_cut_by_die_measured_closed_on_and_proven_and_outlives_the_server() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path(), &["--demo"]);
    let id = made(&server, "Gate pin", json!({"thread": {"callout": "M16x2-6g", "length_mm": 30}, "making": {"by": "die"}, "lathe_id": "gap-bed"})).await;
    let path = format!("/api/v1/jobs/{id}");
    let (_, job) = server.get(&path).await;
    let plan = &job["plan"];
    assert!(plan["chaser"]["by"] == "die" && ["gears", "bit", "setup", "cut"].iter().all(|k| plan.get(k).is_none()), "{plan}");
    // What only a single point has says so; what both have answers.
    for sheet in ["setup", "ways", "groove", "trouble", "bit"] {
        let (status, problem) = server.get(&format!("{path}/{sheet}")).await;
        assert_eq!(status, StatusCode::UNPROCESSABLE_ENTITY, "{sheet}");
        assert!(problem.to_string().contains("a die makes this thread"), "{problem}");
    }
    for sheet in ["thread", "gauge", "paper", "log", "route", "makers"] {
        assert_eq!(server.get(&format!("{path}/{sheet}")).await.0, StatusCode::OK, "{sheet}");
    }
    // The yard has a die of it, and it is the quicker.
    let (_, makers) = server.get(&format!("{path}/makers")).await;
    let recommended = makers["ways"].as_array().unwrap().iter().find(|w| w["recommended"] == true).unwrap();
    assert_eq!((recommended["by"].as_str(), recommended["owned"].as_bool()), (Some("die"), Some(true)), "{makers}");
    // It leaves its lathe as it stands: in the day it changes nothing, and in front of what does.
    let (_, day) = server.get("/api/v1/day").await;
    let step = day["steps"].as_array().unwrap().iter().find(|s| s["id"] == id.as_str()).unwrap();
    assert_eq!((step["count"].as_u64(), step["lathe"].as_str()), (Some(0), Some("Gap bed")), "{day}");
    let passes = plan["run"]["passes"].as_array().unwrap().len();
    for n in 1..=passes {
        assert_eq!(act(&server, &id, &format!("p{n}"), json!({"kind": "pass_done", "n": n, "radial_mm": 0})).await.0, StatusCode::OK);
    }
    let (status, refused) = act(&server, &id, "d", json!({"kind": "stands_at", "reading": 1.0})).await;
    assert_eq!(status, StatusCode::UNPROCESSABLE_ENTITY, "{refused}");
    act(&server, &id, "m1", json!({"kind": "measured", "pitch_diameter_mm": 14.72})).await;
    let (_, job) = server.get(&path).await;
    let (verdict, next) = (&job["run"]["verdict"], &job["run"]["next"]);
    assert!(verdict["verdict"] == "take_more" && verdict["next"].is_null() && next["says"].as_str().unwrap().contains("Close the die"), "{job}");
    // The same in the other unit: nothing in it is in mm.
    let (_, inches) = server.get(&format!("{path}?unit=in")).await;
    assert!(inches["run"]["verdict"]["says"].as_str().unwrap().contains(" in ") && !inches["run"]["verdict"]["says"].as_str().unwrap().contains(" mm"));
    drop(server);
    let server = Server::start(folder.path(), &[]);
    let n = passes + 1;
    act(&server, &id, "p9", json!({"kind": "pass_done", "n": n, "radial_mm": 0})).await;
    act(&server, &id, "m2", json!({"kind": "measured", "pitch_diameter_mm": 14.58})).await;
    let (_, job) = server.get(&path).await;
    assert!(job["run"]["finished"] == true && job["frozen"] == true, "{}", job["run"]);
    let (_, log) = server.get(&format!("{path}/log")).await;
    assert!(log.to_string().contains("in limits"), "{log}");
    // The plan frozen stands: a die is not taken for a single point any more.
    let (status, _) = server.send(Method::PATCH, &path, json!({"request": {"making": null}}), &[("If-Match", &job["revision"].to_string())]).await;
    assert_eq!(status, StatusCode::CONFLICT);
}

#[tokio::test]
async fn a_tap_in_a_screw_s_job_is_refused_by_its_field_and_loses_nothing() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path(), &["--demo"]);
    let (status, problem) = server.post("/api/v1/plan", json!({"thread": {"callout": "M10-6g"}, "making": {"by": "tap", "handle_mm": 1}})).await;
    assert_eq!(status, StatusCode::UNPROCESSABLE_ENTITY);
    let pointers: Vec<&str> = problem["faults"].as_array().unwrap().iter().filter_map(|f| f["pointer"].as_str()).collect();
    assert_eq!(pointers, ["/making/by", "/making/handle_mm"]);
    let (_, problem) = server.post("/api/v1/plan", json!({"thread": {"callout": "M10-6g"}, "making": {"made_by": "die"}})).await;
    assert_eq!(problem["faults"][0]["pointer"], "/making/made_by");
    let (status, problem) = server.post("/api/v1/scratch", json!({"plan": {"thread": {"callout": "M10"}, "making": {"by": "die"}}, "measured_mm": 1.5})).await;
    assert_eq!((status, problem["faults"][0]["pointer"].as_str()), (StatusCode::UNPROCESSABLE_ENTITY, Some("/plan/making/by")), "{problem}");
    // A job told to be a screw again keeps what was told of its tap, and says what is wrong with it.
    let id = made(&server, "Cleat", json!({"thread": {"callout": "M8-6H", "length_mm": 16}, "making": {"by": "tap", "last_tap": "bottoming"}})).await;
    let path = format!("/api/v1/jobs/{id}");
    let (status, job) = server.send(Method::PATCH, &path, json!({"request": {"thread": {"callout": "M8-6g"}}}), &[("If-Match", "1")]).await;
    assert!(status == StatusCode::OK || status == StatusCode::UNPROCESSABLE_ENTITY, "{job}");
    let (_, job) = server.get(&path).await;
    assert_eq!(job["request"]["making"]["last_tap"], "bottoming", "{job}");
}
