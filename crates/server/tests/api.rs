//! The API over HTTP, on a real database in a folder of its own.
#![allow(missing_docs, clippy::unwrap_used)]

use reqwest::{Client, Method, StatusCode};
use serde_json::{Value, json};
use std::io::{BufRead, BufReader, Write};
use std::path::Path;
use std::process::{Child, Command, Stdio};

struct Server {
    child: Child,
    address: String,
    client: Client,
}

impl Server {
    fn start(folder: &Path, extra: &[&str]) -> Self {
        let mut child = Command::new(env!("CARGO_BIN_EXE_yoke-turn"))
            .args(["serve", "--port", "0", "--data"])
            .arg(folder)
            .args(extra)
            .stdout(Stdio::piped())
            .stderr(Stdio::null())
            .spawn()
            .unwrap();
        let mut line = String::new();
        BufReader::new(child.stdout.as_mut().unwrap()).read_line(&mut line).unwrap();
        let address = line.trim().trim_start_matches("Yoke Turn is at ").trim_end_matches('/').to_owned();
        Self { child, address, client: Client::new() }
    }

    async fn send(&self, method: Method, path: &str, body: Value, headers: &[(&str, &str)]) -> (StatusCode, Value) {
        let mut request = self.client.request(method, format!("{}{path}", self.address)).json(&body);
        for (name, value) in headers {
            request = request.header(*name, *value);
        }
        let response = request.send().await.unwrap();
        (response.status(), response.json().await.unwrap_or(Value::Null))
    }

    async fn post(&self, path: &str, body: Value) -> (StatusCode, Value) {
        self.send(Method::POST, path, body, &[]).await
    }

    async fn get(&self, path: &str) -> (StatusCode, Value) {
        self.send(Method::GET, path, Value::Null, &[]).await
    }

    /// Dead at once, as when the power goes.
    fn kill(mut self) {
        self.child.kill().unwrap();
        self.child.wait().unwrap();
    }
}

impl Drop for Server {
    fn drop(&mut self) {
        let _ = self.child.kill();
        let _ = self.child.wait();
    }
}

fn pass(n: u32, radial: f64) -> Value {
    json!({ "act": { "kind": "pass_done", "n": n, "radial_mm": radial } })
}

#[tokio::test]
async fn plan_callout_and_gauge_keep_their_contract() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path(), &[]);
    let request = json!({"thread": {"callout": "7/8-9 UNC-2A"}, "bit": {"tip_flat_mm": 0.36}});
    let (status, plan) = server.post("/api/v1/plan", request.clone()).await;
    assert_eq!((status, plan["thread"]["form"].as_str()), (StatusCode::OK, Some("unified")));
    assert_eq!(plan["gears"]["required_ratio"], "4/9");
    assert_eq!(plan["gears"]["dial"], json!({"rule": "marks", "every": 2, "teeth": 16, "marks": 8, "says": plan["gears"]["dial"]["says"]}));

    let (status, answer) = server.post("/api/v1/callout", json!({"text": "3/4-1O"})).await;
    assert_eq!((status, &answer["reads"]), (StatusCode::OK, &Value::Null));
    assert!(answer["near"].as_array().unwrap().iter().any(|n| n == "3/4-10 UNC"));

    let target = plan["gauge"]["over_wires_mm"]["target"]["value"].as_f64().unwrap();
    let reading = |m: f64| json!({"plan": request, "readings": [{"over_wires_mm": m}]});
    for (off, verdict) in [(0.0, "in_limits"), (0.12, "take_more"), (-0.12, "past_limit")] {
        let (status, answer) = server.post("/api/v1/gauge", reading(target + off)).await;
        assert_eq!((status, answer["verdict"].as_str()), (StatusCode::OK, Some(verdict)));
        assert_eq!(answer["next"].is_object(), verdict == "take_more");
    }
    let (_, inch) = server.post("/api/v1/gauge", reading(target / 25.4)).await;
    assert!(inch["questions"][0].as_str().unwrap().contains("inches"), "{inch}");
    let (status, problem) = server.post("/api/v1/gauge", json!({"plan": {"thread": {"callout": "M20x"}}, "readings": []})).await;
    assert_eq!(status, StatusCode::UNPROCESSABLE_ENTITY);
    let pointers: Vec<&str> = problem["faults"].as_array().unwrap().iter().map(|f| f["pointer"].as_str().unwrap()).collect();
    assert_eq!(pointers, ["/plan/thread/callout", "/readings"]);
}

#[tokio::test]
async fn facts_need_the_newest_revision_and_all_faults_are_named() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path(), &[]);
    let (status, job) = server.post("/api/v1/jobs", json!({"callout": "M20x2.5-6g", "lathe_id": "long-bed"})).await;
    assert_eq!(status, StatusCode::CREATED);
    let path = format!("/api/v1/jobs/{}", job["id"].as_str().unwrap());
    let patch = json!({"request": {"bit": {"tip_flat_mm": 0.3}}});
    let (status, _) = server.send(Method::PATCH, &path, patch.clone(), &[]).await;
    assert_eq!(status, StatusCode::PRECONDITION_REQUIRED);
    let (status, changed) = server.send(Method::PATCH, &path, patch, &[("If-Match", "1")]).await;
    assert_eq!((status, changed["revision"].as_i64()), (StatusCode::OK, Some(2)));
    let (status, stale) = server.send(Method::PATCH, &path, json!({"title": "x"}), &[("If-Match", "1")]).await;
    assert_eq!((status, stale["current"]["revision"].as_i64()), (StatusCode::CONFLICT, Some(2)));
    let bad = json!({"request": {"thread": {"callout": "M20x", "lenght": 3}, "cut": {"passes": 999}}});
    let (status, problem) = server.send(Method::PATCH, &path, bad, &[("If-Match", "2")]).await;
    assert_eq!(status, StatusCode::UNPROCESSABLE_ENTITY);
    let pointers: Vec<&str> = problem["faults"].as_array().unwrap().iter().map(|f| f["pointer"].as_str().unwrap()).collect();
    assert_eq!(pointers, ["/thread/lenght", "/thread/callout", "/cut/passes"]);
    assert_eq!(server.get(&path).await.1["request"]["bit"]["tip_flat_mm"], 0.3, "nothing was lost");
    assert_eq!(server.post("/api/v1/jobs", json!({"callout": "M20", "lathe_id": "none"})).await.0, StatusCode::UNPROCESSABLE_ENTITY);
    assert_eq!(server.get("/api/v1/jobs/none").await.0, StatusCode::NOT_FOUND);
}

#[tokio::test]
async fn acts_are_kept_once_survive_a_kill_and_freeze_the_plan() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path(), &["--demo"]);
    let path = "/api/v1/jobs/mill-bearing-stud";
    let (_, job) = server.get(path).await;
    let passes = job["plan"]["run"]["passes"].as_array().unwrap().clone();
    let put =
        |i: usize| (format!("{path}/acts/act-{i}"), pass(u32::try_from(passes[i]["n"].as_u64().unwrap()).unwrap(), passes[i]["radial_mm"].as_f64().unwrap()));
    for i in 0..5 {
        let (path, body) = put(i);
        assert_eq!(server.send(Method::PUT, &path, body, &[]).await.0, StatusCode::OK);
    }
    server.kill();
    let server = Server::start(folder.path(), &["--demo"]);
    let (_, after) = server.get(path).await;
    assert_eq!((after["run"]["passes_done"].as_u64(), after["frozen"].as_bool()), (Some(5), Some(true)));
    assert_eq!(after["run"]["next"]["pass"], passes[5]);
    let (again, body) = put(4);
    assert_eq!(server.send(Method::PUT, &again, body, &[]).await.1["sequence"], 5, "the same again changes nothing");
    assert_eq!(server.send(Method::PUT, &again, pass(9, 1.0), &[]).await.0, StatusCode::CONFLICT);
    let (status, problem) = server.send(Method::PATCH, path, json!({"request": {"bit": {"tip_flat_mm": 0.2}}}), &[("If-Match", "1")]).await;
    assert_eq!((status, problem["type"].as_str()), (StatusCode::CONFLICT, Some("/problems/begun")));
    let bad = json!({"act": {"kind": "measured", "over_wires_mm": -3}});
    let (status, problem) = server.send(Method::PUT, &format!("{path}/acts/bad"), bad, &[]).await;
    assert_eq!((status, problem["faults"][0]["pointer"].as_str()), (StatusCode::UNPROCESSABLE_ENTITY, Some("/act/over_wires_mm")));
    let undo = json!({"act": {"kind": "undone", "act": "act-4"}});
    assert_eq!(server.send(Method::PUT, &format!("{path}/acts/u"), undo, &[]).await.1["run"]["passes_done"], 4);
}

#[tokio::test]
async fn the_door_is_kept() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path(), &["--demo"]);
    for (name, value) in [("Host", "evil.example"), ("Origin", "http://evil.example"), ("Origin", "null")] {
        let (status, problem) = server.send(Method::GET, "/api/v1/jobs", Value::Null, &[(name, value)]).await;
        assert_eq!((status, problem["type"].as_str()), (StatusCode::FORBIDDEN, Some("/problems/refused")), "{name}: {value}");
    }
    let response = server.client.get(format!("{}/healthz", server.address)).send().await.unwrap();
    let policy = response.headers()["content-security-policy"].to_str().unwrap().to_owned();
    assert!(policy.starts_with("default-src 'self'; script-src 'self';") && !policy.contains("script-src 'self' 'unsafe"), "{policy}");
    let (status, jobs) = server.get("/api/v1/jobs").await;
    assert_eq!(status, StatusCode::OK);
    let titles: Vec<&str> = jobs.as_array().unwrap().iter().map(|j| j["title"].as_str().unwrap()).collect();
    assert_eq!(titles, ["Footbridge tie rod", "Mill bearing stud", "Gauge-board cap", "Turnbuckle ends, six"]);
    assert_eq!(jobs[0]["passes_done"], 8, "the scratch and seven passes");
    let (status, _) = server.send(Method::PUT, "/api/v1/lathes/mine", json!({"leadscrew": {"tpi": 8}, "gears": [20, 3]}), &[]).await;
    assert_eq!(status, StatusCode::UNPROCESSABLE_ENTITY);
    for body in ["", "{", "[[[[", "\u{0}"] {
        let response = server.client.post(format!("{}/api/v1/plan", server.address)).body(body.to_owned()).send().await.unwrap();
        assert_eq!(response.status(), StatusCode::BAD_REQUEST, "{body:?}");
    }
}

#[test]
fn the_command_line_plans_the_same_and_refuses_with_two() {
    let run = |text: &str| {
        let mut child =
            Command::new(env!("CARGO_BIN_EXE_yoke-turn")).arg("plan").stdin(Stdio::piped()).stdout(Stdio::piped()).stderr(Stdio::piped()).spawn().unwrap();
        child.stdin.take().unwrap().write_all(text.as_bytes()).unwrap();
        child.wait_with_output().unwrap()
    };
    let good = run(r#"{"thread":{"callout":"M20x2.5-6g"}}"#);
    let plan: Value = serde_json::from_slice(&good.stdout).unwrap();
    assert_eq!((good.status.code(), plan["gears"]["required_ratio"].as_str()), (Some(0), Some("50/127")));
    let bad = run(r#"{"thread":{"callout":"M20x2.5-6g","hands":1}}"#);
    let problem: Value = serde_json::from_slice(&bad.stderr).unwrap();
    assert_eq!((bad.status.code(), problem["faults"][0]["pointer"].as_str()), (Some(2), Some("/thread/hands")));
}
