//! The API over HTTP, on a real database in a folder of its own.

use crate::common::Server;
use reqwest::{Method, StatusCode};
use serde_json::{Value, json};
use std::io::Write;
use std::process::{Command, Stdio};

fn pass(n: u32, radial: f64) -> Value {
    json!({ "act": { "kind": "pass_done", "n": n, "radial_mm": radial } })
}

#[tokio::test]
async fn plan_callout_and_gauge_keep_their_contract() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path(), &[]);
    let request = json!({"thread": {"callout": "7/8-9 UNC-2A"}, "bit": {"tip_flat_mm": 0.36}, "gauge": {"wires_mm": [1.6]}});
    let (status, plan) = server.post("/api/v1/plan", request.clone()).await;
    assert_eq!((status, plan["thread"]["form"].as_str()), (StatusCode::OK, Some("unified")));
    assert_eq!(plan["gears"]["required_ratio"], "8/9");
    let dial = &plan["gears"]["dial"];
    assert_eq!([&dial["rule"], &dial["every"], &dial["teeth"], &dial["marks"]], [&json!("marks"), &json!(2), &json!(16), &json!(4)]);

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
    // The mate tried: each way it may go has its verdict, and what does not belong to it is named.
    let tried = |felt: Value| json!({"plan": request, "readings": [felt]});
    for (felt, verdict) in [
        (json!({"fit": "wont_enter"}), "take_more"),
        (json!({"fit": "enters", "turns": 3}), "take_more"),
        (json!({"fit": "tight"}), "take_more"),
        (json!({"fit": "free"}), "in_limits"),
        (json!({"fit": "shakes", "shake_mm": 0.12}), "in_limits"),
        (json!({"fit": "shakes", "shake_mm": 1.5}), "past_limit"),
    ] {
        let (status, answer) = server.post("/api/v1/gauge", tried(felt.clone())).await;
        assert_eq!((status, answer["verdict"].as_str()), (StatusCode::OK, Some(verdict)), "{felt}: {answer}");
        assert_eq!(answer["next"].is_object(), verdict == "take_more", "{felt}: {answer}");
    }
    for (felt, pointer) in [
        (json!({"fit": "enters"}), "/readings/0/turns"),
        (json!({"fit": "shakes"}), "/readings/0/shake_mm"),
        (json!({"fit": "free", "turns": 2}), "/readings/0/turns"),
        (json!({"fit": "free", "over_wires_mm": 22.0}), "/readings/0/fit"),
    ] {
        let (status, problem) = server.post("/api/v1/gauge", tried(felt.clone())).await;
        assert_eq!((status, problem["faults"][0]["pointer"].as_str()), (StatusCode::UNPROCESSABLE_ENTITY, Some(pointer)), "{felt}: {problem}");
    }
    let (status, problem) = server.post("/api/v1/gauge", json!({"plan": {"thread": {"callout": "M20x"}}, "readings": []})).await;
    assert_eq!(status, StatusCode::UNPROCESSABLE_ENTITY);
    let pointers: Vec<&str> = problem["faults"].as_array().unwrap().iter().map(|f| f["pointer"].as_str().unwrap()).collect();
    assert_eq!(pointers, ["/plan/thread/callout", "/readings"]);
}

#[tokio::test]
async fn facts_need_the_newest_revision_and_all_faults_are_named() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path(), &[]);
    let (status, job) = server.post("/api/v1/jobs", json!({"callout": "M20x2.5-6g"})).await;
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
    let deep = json!({"act": {"kind": "stands_at", "reading": 25.4}});
    let (status, problem) = server.send(Method::PUT, &format!("{path}/acts/deep"), deep, &[]).await;
    assert_eq!((status, problem["faults"][0]["pointer"].as_str()), (StatusCode::UNPROCESSABLE_ENTITY, Some("/act/reading")));
    assert!(problem["detail"].as_str().unwrap().contains("was that read in inches?"), "the Gap bed's dial is in mm: {problem}");
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
    let titles: Vec<&str> =
        jobs.as_array().unwrap().iter().filter(|j| j["place"].as_i64().is_none_or(|p| p == 1)).map(|j| j["title"].as_str().unwrap()).collect();
    let wanted = [
        "Paddle screw and nut: the nut",
        "Paddle screw and nut",
        "Footbridge tie rod",
        "Mill bearing stud",
        "Gauge-board cap",
        "Hydrant union",
        "Sluice vice screw",
        "Windlass bolt, as found",
        "Turnbuckle ends, six",
    ];
    assert_eq!(titles, wanted);
    assert_eq!(jobs[2]["passes_done"], 8, "the scratch and seven passes");
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
    assert_eq!((good.status.code(), plan["gears"]["required_ratio"].as_str()), (Some(0), Some("100/127")));
    let bad = run(r#"{"thread":{"callout":"M20x2.5-6g","hands":1}}"#);
    let problem: Value = serde_json::from_slice(&bad.stderr).unwrap();
    assert_eq!((bad.status.code(), problem["faults"][0]["pointer"].as_str()), (Some(2), Some("/thread/hands")));
}

#[tokio::test]
async fn the_shop_is_read_written_and_refused_by_field() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path(), &["--demo"]);
    let (_, lathes) = server.get("/api/v1/lathes").await;
    let names: Vec<&str> = lathes.as_array().unwrap().iter().map(|l| l["name"].as_str().unwrap()).collect();
    assert_eq!(names, ["Long bed", "Gap bed", "Bench"]);
    // What is read back can be written back, and reads the same again.
    let (_, gap) = server.get("/api/v1/lathes/gap-bed").await;
    let (status, _) = server.send(Method::PUT, "/api/v1/lathes/gap-bed", gap.clone(), &[]).await;
    assert_eq!((status, server.get("/api/v1/lathes/gap-bed").await.1), (StatusCode::OK, gap));
    let mine = json!({"name": "Mine", "leadscrew": {"tpi": 8}, "gears": [20, 30, 40, 50, 60, 127], "gearbox": [{"name": "A", "ratio": "1/2"}]});
    assert_eq!(server.send(Method::PUT, "/api/v1/lathes/mine", mine, &[]).await.0, StatusCode::OK);
    let (_, plan) = server.post("/api/v1/plan", json!({"thread": {"callout": "1/2-16 UN"}, "lathe_id": "mine"})).await;
    assert_eq!(plan["gears"]["required_ratio"], "1/2");
    for (body, pointer) in [
        (json!({"leadscrew": {"tpi": 8, "pitch_mm": 3}, "gears": [20, 30]}), "/leadscrew"),
        (json!({"gears": [20, 401]}), "/gears/1"),
        (json!({"gears": [20, 30], "gearbox": [{"name": "A", "ratio": "0/1"}]}), "/gearbox/0/ratio"),
        (json!({"gears": [20, 30], "arm": {"stud_to_leadscrew_mm": 100, "slot_reach_mm": [90, 40]}}), "/arm/slot_reach_mm"),
        (json!({"gears": [20, 30], "compound": {"unit": "in", "graduation": 0.003, "per_turn": 0.1}}), "/compound/per_turn"),
        (json!({"gears": [20, 30], "speeds_rpm": {"from": 500, "to": 50}}), "/speeds_rpm/to"),
        (json!({"gears": [20, 30], "colour": "green"}), "/colour"),
        (json!({"gears": [20, 30], "dial": {"teeth": 4}}), "/dial/teeth/0"),
    ] {
        let (status, problem) = server.send(Method::PUT, "/api/v1/lathes/bad", body.clone(), &[]).await;
        let pointers: Vec<&str> = problem["faults"].as_array().unwrap().iter().map(|f| f["pointer"].as_str().unwrap()).collect();
        assert_eq!((status, pointers.contains(&pointer)), (StatusCode::UNPROCESSABLE_ENTITY, true), "{body}: {pointers:?}");
    }
    assert_eq!(server.get("/api/v1/lathes/bad").await.0, StatusCode::NOT_FOUND, "a refused lathe is not kept");
    assert_eq!(server.send(Method::PUT, "/api/v1/lathes/Bad%20Name", json!({"gears": [20, 30]}), &[]).await.0, StatusCode::UNPROCESSABLE_ENTITY);

    let (status, _) = server.send(Method::PUT, "/api/v1/kit", json!({"wires_mm": [1.45], "drills_mm": []}), &[]).await;
    assert_eq!(status, StatusCode::OK);
    let (_, plan) = server.post("/api/v1/plan", json!({"thread": {"callout": "M20"}})).await;
    assert_eq!(plan["gauge"]["wire_mm"]["value"], 1.45, "the stored drawer is the one used");
    let (status, problem) = server.send(Method::PUT, "/api/v1/kit", json!({"wires_mm": [1.45, -1]}), &[]).await;
    assert_eq!((status, problem["faults"][0]["pointer"].as_str()), (StatusCode::UNPROCESSABLE_ENTITY, Some("/wires_mm/1")));
    assert_eq!(server.get("/api/v1/materials").await.1.as_array().unwrap().len(), 19);
}

#[tokio::test]
async fn every_rule_a_plan_uses_has_its_text() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path(), &[]);
    let (_, rules) = server.get("/api/v1/rules").await;
    let known: Vec<&str> = rules.as_array().unwrap().iter().map(|r| r["id"].as_str().unwrap()).collect();
    for callout in ["M20x2.5-6g", "M36x1.5-6H", "7/8-9 UNC-2A", "1/4-20 UNC-3B LH"] {
        let (_, plan) = server.post("/api/v1/plan", json!({"thread": {"callout": callout, "starts": 2}, "blank": {"shoulder": true}})).await;
        for working in plan["workings"].as_array().unwrap() {
            let rule = rules.as_array().unwrap().iter().find(|r| r["id"] == working["rule"]);
            let takes = rule.unwrap_or_else(|| panic!("{} is not among {known:?}", working["rule"]))["takes"].as_array().unwrap().len();
            assert_eq!(working["of"].as_array().unwrap().len(), takes);
        }
    }
    let (_, read) = server.post("/api/v1/length", json!({"text": "1-1/4", "unit": "mm"})).await;
    assert_eq!(read["mm"], 31.75);
    let (_, unread) = server.post("/api/v1/length", json!({"text": "wide"})).await;
    assert!(unread["mm"].is_null() && unread["missing"].as_str().unwrap().contains("not a length"));
}

#[tokio::test]
async fn a_stream_tells_which_job_moved_and_ends_with_the_server() {
    let folder = tempfile::tempdir().unwrap();
    let mut server = Server::start(folder.path(), &["--demo"]);
    let mut stream = server.client.get(format!("{}/api/v1/events", server.address)).send().await.unwrap();
    assert_eq!(stream.headers()["content-type"], "text/event-stream");
    let path = "/api/v1/jobs/hydrant-union";
    assert_eq!(server.send(Method::PUT, &format!("{path}/acts/one"), pass(0, 0.05), &[]).await.0, StatusCode::OK);
    let told = String::from_utf8(stream.chunk().await.unwrap().unwrap().to_vec()).unwrap();
    let data: Value = serde_json::from_str(told.lines().find_map(|l| l.strip_prefix("data: ")).unwrap()).unwrap();
    assert_eq!(data, json!({"job": "hydrant-union", "revision": 1, "sequence": 1}), "no more than that");
    // Asked to stop, it ends the stream and then itself, with nothing unsaid.
    let asked = Command::new("kill").arg(server.child.id().to_string()).status().unwrap();
    assert!(asked.success());
    while stream.chunk().await.is_ok_and(|c| c.is_some()) {}
    assert_eq!(server.child.wait().unwrap().code(), Some(0));
}

#[tokio::test]
async fn acts_from_two_tablets_at_once_are_all_kept_in_one_order() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path(), &["--demo"]);
    let path = "/api/v1/jobs/mill-bearing-stud";
    let (_, job) = server.get(path).await;
    let passes = job["plan"]["run"]["passes"].as_array().unwrap();
    let send = |tablet: u32, i: usize| {
        let (n, radial) = (u32::try_from(passes[i]["n"].as_u64().unwrap()).unwrap(), passes[i]["radial_mm"].as_f64().unwrap());
        let body = pass(n, radial);
        let path = format!("{path}/acts/t{tablet}-{i}");
        let server = &server;
        async move { server.send(Method::PUT, &path, body, &[]).await.0 }
    };
    for i in 0..6 {
        let (one, two) = tokio::join!(send(1, i), send(2, i));
        assert_eq!((one, two), (StatusCode::OK, StatusCode::OK));
    }
    let (_, after) = server.get(path).await;
    assert_eq!((after["sequence"].as_u64(), after["run"]["passes_done"].as_u64()), (Some(12), Some(6)), "every act kept, each pass counted once");
}

#[tokio::test]
async fn the_page_is_served_with_its_nonce_and_unknown_addresses_are_problems() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path(), &[]);
    let page = server.client.get(format!("{}/jobs/any/cut", server.address)).send().await.unwrap();
    let policy = page.headers()["content-security-policy"].to_str().unwrap().to_owned();
    let nonce = policy.split("'nonce-").nth(1).unwrap().split('\'').next().unwrap().to_owned();
    let body = page.text().await.unwrap();
    assert!(body.contains(&format!("content=\"{nonce}\"")) || body.contains("not built"), "the page carries the policy's own nonce");
    assert!(!body.contains("__NONCE__"));
    let (status, problem) = server.get("/api/v1/nothing").await;
    assert_eq!((status, problem["type"].as_str()), (StatusCode::NOT_FOUND, Some("/problems/missing")));
    let large = "x".repeat(300 * 1024);
    let response = server.client.post(format!("{}/api/v1/plan", server.address)).body(large).send().await.unwrap();
    assert_eq!(response.status(), StatusCode::PAYLOAD_TOO_LARGE);
}

#[test]
fn a_newer_database_and_a_taken_port_are_said_plainly() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path(), &[]);
    let port = server.address.rsplit(':').next().unwrap().to_owned();
    let other = tempfile::tempdir().unwrap();
    let out = Command::new(env!("CARGO_BIN_EXE_yoke-turn")).args(["--port", &port, "--data"]).arg(other.path()).output().unwrap();
    assert!(!out.status.success() && String::from_utf8_lossy(&out.stderr).contains("--port"));
    server.kill();
    // Not a database at all: refused, and left as it is.
    let file = other.path().join("yoke-turn.db");
    for ending in ["db-wal", "db-shm"] {
        let _ = std::fs::remove_file(file.with_extension(ending));
    }
    std::fs::write(&file, "this is a shopping list, long enough to be a header of something else entirely. ".repeat(20)).unwrap();
    let out = Command::new(env!("CARGO_BIN_EXE_yoke-turn")).args(["--port", "0", "--data"]).arg(other.path()).output().unwrap();
    assert!(!out.status.success() && String::from_utf8_lossy(&out.stderr).contains("database"));
    assert!(std::fs::read_to_string(&file).unwrap().starts_with("this is a shopping list"));
}

#[tokio::test]
async fn a_sample_is_identified_kept_and_taken_as_a_thread() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path(), &["--demo"]);
    let sample = json!({"major_mm": 22.05, "spaces": 10, "over_mm": 28.3, "minor_mm": 18.4, "hand": "right"});
    let (status, found) = server.send(Method::POST, "/api/v1/identify", sample.clone(), &[]).await;
    assert_eq!(status, StatusCode::OK);
    let names: Vec<&str> = found["candidates"].as_array().unwrap().iter().take(2).map(|c| c["name"].as_str().unwrap()).collect();
    assert!(names.contains(&"7/8 BSW") && names.contains(&"7/8-9 UNC"), "{names:?}");
    let (status, problem) = server.send(Method::POST, "/api/v1/identify", json!({"spaces": 10, "weight": 3}), &[]).await;
    assert_eq!(status, StatusCode::UNPROCESSABLE_ENTITY);
    assert_eq!(problem["faults"].as_array().unwrap().len(), 2, "{problem}");
    // The yard's own bolt waits on the board, is measured again, and becomes a job to cut.
    let path = "/api/v1/jobs/windlass-bolt--as-found";
    let (_, job) = server.get(path).await;
    assert!(job["plan"].is_null() && job["request"]["sample"]["spaces"] == 10, "{job}");
    let (status, bad) = server.send(Method::PATCH, path, json!({"request": {"sample": {"major_mm": -2}}}), &[("If-Match", "1")]).await;
    assert_eq!((status, bad["faults"][0]["pointer"].as_str()), (StatusCode::UNPROCESSABLE_ENTITY, Some("/sample/major_mm")), "{bad}");
    let (status, job) = server.send(Method::PATCH, path, json!({"request": {"sample": {"included_angle_deg": 55}}}), &[("If-Match", "1")]).await;
    assert!(status == StatusCode::OK && job["plan"].is_null(), "{job}");
    let (_, job) = server.send(Method::PATCH, path, json!({"request": {"thread": {"callout": "7/8 BSW"}}}), &[("If-Match", "2")]).await;
    assert_eq!((job["plan"]["thread"]["form"].as_str(), job["request"]["sample"]["included_angle_deg"].as_f64()), (Some("whitworth"), Some(55.0)));
    let (_, sizes) = server.get("/api/v1/sizes").await;
    assert_eq!(sizes.as_array().unwrap().len(), 12);
    assert!(sizes[5]["sizes"].as_array().unwrap().iter().any(|s| s["callout"] == "1-5 Acme" && s["pitch"] == "5 TPI"));
}

#[tokio::test]
async fn the_nut_of_a_pair_follows_the_screw_as_measured() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path(), &["--demo"]);
    let screw = "/api/v1/jobs/paddle-screw-and-nut";
    let (_, job) = server.get(screw).await;
    let nut = format!("/api/v1/jobs/{}", job["members"][0]["id"].as_str().unwrap());
    assert_eq!((job["members"][0]["mate"].as_bool(), job["members"][0]["side"].as_str()), (Some(true), Some("internal")));
    // Wires prove the screw, and nothing of the yard's a bore of 26.7 mm: the screw first.
    assert_eq!(job["plan"]["pair"]["recommended"], "external_first");
    let revision = job["revision"].to_string();
    let (status, job) = server.send(Method::PATCH, screw, json!({"request": {"mate": {"school": "external_first"}}}), &[("If-Match", &revision)]).await;
    assert_eq!((status, job["plan"]["pair"]["first"].as_bool()), (StatusCode::OK, Some(true)), "{job}");
    let (_, other) = server.get(&nut).await;
    assert_eq!((other["plan"]["pair"]["school"].as_str(), other["plan"]["thread"]["hand"].as_str()), (Some("external_first"), Some("left")));
    let standard = other["plan"]["cut"]["target_pitch_diameter_mm"]["value"].as_f64().unwrap();
    assert!(other["plan"]["watch"].as_array().unwrap().iter().any(|w| w["code"] == "pair_order"), "the screw is not measured yet");
    // The screw is cut and measures 1.1350 in by thread micrometer: in limits, and the nut follows it.
    let passes = job["plan"]["run"]["passes"].as_array().unwrap().clone();
    for (i, pass) in passes.iter().enumerate() {
        let act = json!({"act": {"kind": "pass_done", "n": pass["n"], "radial_mm": pass["radial_mm"]}});
        server.send(Method::PUT, &format!("{screw}/acts/p{i}"), act, &[]).await;
    }
    let reading = json!({"act": {"kind": "measured", "pitch_diameter_mm": 1.1350 * 25.4}});
    let (_, job) = server.send(Method::PUT, &format!("{screw}/acts/m"), reading, &[]).await;
    assert_eq!(job["run"]["verdict"]["verdict"], "in_limits", "{}", job["run"]["verdict"]);
    let (_, other) = server.get(&nut).await;
    let pair = &other["plan"]["pair"];
    // By hand: allowance 0.008·√1.25 = 0.0089, nut tolerance 0.006·√1.25 + 0.030·√0.2 = 0.0201: 1.1439 to 1.1640, aim 1.15395.
    let inches = |v: &Value| v["value"].as_f64().unwrap() / 25.4;
    assert!((inches(&pair["limits_mm"][0]) - 1.1439).abs() < 2e-4 && (inches(&pair["limits_mm"][1]) - 1.1640).abs() < 2e-4, "{pair}");
    let target = other["plan"]["cut"]["target_pitch_diameter_mm"]["value"].as_f64().unwrap();
    assert!((target / 25.4 - 1.15395).abs() < 2e-4 && (target - standard).abs() > 0.1, "{target} {standard}");
    assert!(!other["plan"]["watch"].as_array().unwrap().iter().any(|w| w["code"] == "pair_order"));
    // One mate to a thread; another thread of the part is added beside.
    let (status, _) = server.send(Method::POST, &format!("{screw}/members"), json!({"mate": true}), &[]).await;
    assert_eq!(status, StatusCode::CONFLICT);
    let (status, end) = server.send(Method::POST, &format!("{screw}/members"), json!({"callout": "M20x1.5-6g"}), &[]).await;
    assert_eq!((status, end["members"].as_array().unwrap().len()), (StatusCode::CREATED, 2), "{end}");
    let (status, problem) = server.send(Method::POST, &format!("{screw}/members"), json!({}), &[]).await;
    assert_eq!((status, problem["faults"][0]["pointer"].as_str()), (StatusCode::UNPROCESSABLE_ENTITY, Some("/callout")));
    // A classed callout gives its mate the class of the other side.
    let (_, stud) = server.send(Method::POST, "/api/v1/jobs/mill-bearing-stud/members", json!({"mate": true}), &[]).await;
    assert_eq!((stud["plan"]["thread"]["class"].as_str(), stud["plan"]["thread"]["side"].as_str()), (Some("2B"), Some("internal")), "{stud}");
    // Its starts and hand come with it, and a size told of the mate stays with the one it was told to.
    let twin = json!({"request": {"thread": {"callout": "M20-6g 2 start LH"}, "mate": {"school": "external_first", "made_pitch_diameter_mm": 18.5}}});
    let (_, screw) = server.send(Method::POST, "/api/v1/jobs", twin, &[]).await;
    let (status, nut) = server.send(Method::POST, &format!("/api/v1/jobs/{}/members", screw["id"].as_str().unwrap()), json!({"mate": true}), &[]).await;
    let thread = &nut["plan"]["thread"];
    assert_eq!(
        (status, thread["starts"].as_i64(), thread["hand"].as_str(), thread["class"].as_str()),
        (StatusCode::CREATED, Some(2), Some("left"), Some("6H")),
        "{nut}"
    );
    assert_eq!((nut["request"]["mate"]["school"].as_str(), nut["request"]["mate"]["made_pitch_diameter_mm"].is_null()), (Some("external_first"), true));
}

#[tokio::test]
async fn a_sample_of_ones_own_becomes_a_special_and_a_faulty_pad_is_refused_whole() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path(), &["--demo"]);
    let (status, job) = server.send(Method::POST, "/api/v1/jobs", json!({"request": {"sample": {}, "lathe_id": "bench"}}), &[]).await;
    assert_eq!((status, job["title"].as_str()), (StatusCode::CREATED, Some("A sample, as found")));
    let path = format!("/api/v1/jobs/{}", job["id"].as_str().unwrap());
    let (_, lines) = server.get("/api/v1/jobs").await;
    let line = lines.as_array().unwrap().iter().find(|l| l["id"] == job["id"]).unwrap().clone();
    assert_eq!((line["stands"].as_str(), line["lathe"].as_str()), (Some("to be identified"), Some("Bench")));
    // A faulty sample is not kept; neither is a sample with another fault beside it.
    for patch in [json!({"sample": {"spaces": 10}}), json!({"sample": {"weight": 2}}), json!({"blank": {"stick_out_mm": -4}}), json!({"lathe_id": "nowhere"})] {
        let (status, problem) = server.send(Method::PATCH, &path, json!({"request": patch}), &[("If-Match", "1")]).await;
        assert_eq!(status, StatusCode::UNPROCESSABLE_ENTITY, "{patch}: {problem}");
    }
    let sample = json!({"request": {"sample": {"major_mm": 13.4, "spaces": 12, "over_mm": 15.9, "minor_mm": 11.6, "hand": "left"}}});
    let (status, told) = server.send(Method::PATCH, &path, sample, &[("If-Match", "1")]).await;
    assert_eq!((status, told["revision"].as_i64()), (StatusCode::OK, Some(2)), "{told}");
    let (_, found) = server.send(Method::POST, "/api/v1/identify", told["request"]["sample"].clone(), &[]).await;
    let special = found["special"].clone();
    assert_eq!((special["major_mm"].as_str(), special["minor_mm"].as_f64()), (Some("67/5"), Some(11.6)), "{special}");
    let (status, made) = server.send(Method::PATCH, &path, json!({"request": {"thread": {"special": special, "hand": "left"}}}), &[("If-Match", "2")]).await;
    assert_eq!(
        (status, made["plan"]["thread"]["form"].as_str(), made["plan"]["thread"]["hand"].as_str()),
        (StatusCode::OK, Some("special"), Some("left")),
        "{made}"
    );
    assert!((made["plan"]["thread"]["pitch_mm"]["value"].as_f64().unwrap() - 15.9 / 12.0).abs() < 1e-4);
    let (_, lines) = server.get("/api/v1/jobs").await;
    assert!(lines.as_array().unwrap().iter().any(|l| l["thread"].as_str().unwrap().starts_with("A special")));
    // A pad with one faulty sum changes nothing at all, and every fault is named at once.
    let pad =
        json!({"request": {"pad": [{"name": "a", "kind": "middle", "figures": [{"value": 1}]}, {"name": "a", "kind": "run_out", "figures": [{"from": "z"}]}]}});
    let (status, problem) = server.send(Method::PATCH, &path, pad, &[("If-Match", "3")]).await;
    let pointers: Vec<&str> = problem["faults"].as_array().unwrap().iter().map(|f| f["pointer"].as_str().unwrap()).collect();
    assert_eq!((status, pointers), (StatusCode::UNPROCESSABLE_ENTITY, vec!["/pad/0/figures", "/pad/1/name", "/pad/1/figures/0"]));
    assert_eq!(server.get(&path).await.1["revision"], 3);
    // The mate of a special is the same special, the other way about.
    let (status, mate) = server.send(Method::POST, &format!("{path}/members"), json!({"mate": true, "material": "bronze"}), &[]).await;
    assert_eq!(
        (status, mate["plan"]["thread"]["side"].as_str(), mate["request"]["blank"]["material"].as_str()),
        (StatusCode::CREATED, Some("internal"), Some("bronze")),
        "{mate}"
    );
    assert_eq!(mate["plan"]["thread"]["basic_form"]["depth_mm"]["value"], made["plan"]["thread"]["basic_form"]["depth_mm"]["value"]);
}

#[tokio::test]
async fn a_size_told_by_hand_stands_before_the_mates_own_reading() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path(), &["--demo"]);
    let (_, screw) = server.get("/api/v1/jobs/paddle-screw-and-nut").await;
    let nut = format!("/api/v1/jobs/{}", screw["members"][0]["id"].as_str().unwrap());
    let (_, before) = server.get(&nut).await;
    let revision = before["revision"].to_string();
    let told = json!({"request": {"mate": {"school": "external_first", "made_pitch_diameter_mm": 28.8}}});
    let (status, job) = server.send(Method::PATCH, &nut, told, &[("If-Match", &revision)]).await;
    assert_eq!((status, job["plan"]["pair"]["mate_made_mm"]["value"].as_f64()), (StatusCode::OK, Some(28.8)), "{job}");
    // The school is the pair's; what one member was told of the other's size is its own.
    let (_, screw) = server.get("/api/v1/jobs/paddle-screw-and-nut").await;
    assert_eq!((screw["request"]["mate"]["school"].as_str(), screw["request"]["mate"]["made_pitch_diameter_mm"].is_null()), (Some("external_first"), true));
    assert_eq!(screw["plan"]["pair"]["school"], "external_first");
    // A sample has no mate before it has a thread; a missing job is said to be missing.
    for (id, status) in [("windlass-bolt--as-found", StatusCode::UNPROCESSABLE_ENTITY), ("nowhere", StatusCode::NOT_FOUND)] {
        let (got, problem) = server.send(Method::POST, &format!("/api/v1/jobs/{id}/members"), json!({"mate": true}), &[]).await;
        assert_eq!(got, status, "{id}: {problem}");
    }
    // Every size offered makes a job of the thread it names.
    let (_, sizes) = server.get("/api/v1/sizes").await;
    for series in sizes.as_array().unwrap() {
        let last = series["sizes"].as_array().unwrap().last().unwrap();
        let (status, plan) = server.send(Method::POST, "/api/v1/plan", json!({"thread": {"callout": last["callout"]}}), &[]).await;
        assert_eq!(status, StatusCode::OK, "{last}: {plan}");
        assert!((plan["thread"]["major_mm"]["value"].as_f64().unwrap() - last["major_mm"]["value"].as_f64().unwrap()).abs() < 1e-9, "{last}");
    }
}

#[tokio::test]
async fn a_lathe_has_its_chart_and_a_wrong_scratch_is_named() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path(), &["--demo"]);
    let (status, chart) = server.get("/api/v1/lathes/long-bed/chart").await;
    let rows = chart.as_array().unwrap();
    assert_eq!((status, rows.len()), (StatusCode::OK, 69));
    let eight = rows.iter().find(|r| r["pitch"] == "8 TPI").unwrap();
    // Of the train that the tie rod has on it 40/80 stays, the other pair comes off; 1/2 closes anywhere.
    assert_eq!((eight["train"]["swaps"].as_u64(), eight["train"]["error_ppm"].as_f64(), eight["dial"].as_str()), (Some(2), Some(0.0), Some("any_position")));
    assert_eq!(server.get("/api/v1/lathes/nowhere/chart").await.0, StatusCode::NOT_FOUND);
    let text = reqwest::get(format!("{}/api/v1/lathes/long-bed/chart.csv", server.address)).await.unwrap().text().await.unwrap();
    assert_eq!(text.lines().count(), 70);
    assert!(text.lines().any(|l| l == "8 TPI,3.175000,40,80,46,direct,0,yes,2,close anywhere"), "{text}");
    let plan = json!({"thread": {"callout": "1-8"}, "lathe_id": "long-bed"});
    let (status, said) = server.send(Method::POST, "/api/v1/scratch", json!({"plan": plan, "measured_mm": 12.7}), &[]).await;
    assert_eq!(status, StatusCode::OK, "{said}");
    assert!(said["says"].as_str().unwrap().contains("changed about"), "{said}");
    let (status, problem) = server.send(Method::POST, "/api/v1/scratch", json!({"plan": {"thread": {"callout": "?"}}, "measured_mm": -1}), &[]).await;
    let pointers: Vec<&str> = problem["faults"].as_array().unwrap().iter().map(|f| f["pointer"].as_str().unwrap()).collect();
    assert_eq!((status, pointers), (StatusCode::UNPROCESSABLE_ENTITY, vec!["/measured_mm", "/plan/thread/callout"]));
    // A lathe's heap of gears as its owner writes it, kept as written; a wrong entry is named.
    let bench = json!({"name": "Heap", "leadscrew": {"tpi": 8}, "gears": "20-65/5, 2x40, 127"});
    let (status, kept) = server.send(Method::PUT, "/api/v1/lathes/heap", bench, &[]).await;
    assert_eq!((status, kept["gears"].as_str()), (StatusCode::OK, Some("20-65/5, 2x40, 127")), "{kept}");
    let (status, problem) = server.send(Method::PUT, "/api/v1/lathes/heap", json!({"gears": [24, "20-66/5"], "joined": [[24, 99]]}), &[]).await;
    let pointers: Vec<&str> = problem["faults"].as_array().unwrap().iter().map(|f| f["pointer"].as_str().unwrap()).collect();
    assert_eq!((status, pointers), (StatusCode::UNPROCESSABLE_ENTITY, vec!["/gears/1", "/joined/0"]));
}

#[tokio::test]
async fn a_lathe_is_learned_from_its_plate_and_the_day_is_put_in_order() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path(), &["--demo"]);
    let plate = json!({"unit": "in", "rows": ["A", "B"], "columns": ["1", "2", "3"], "cells": [[8, 10, 12], [16, 20, 42]]});
    let (status, read) = server.send(Method::POST, "/api/v1/lathes/long-bed/plate", plate, &[]).await;
    assert_eq!((status, read["positions"].as_array().unwrap().len()), (StatusCode::OK, 5), "{read}");
    assert_eq!(
        (read["misread"][0]["row"].as_u64(), read["misread"][0]["column"].as_u64(), read["misread"][0]["fits"].as_str()),
        (Some(1), Some(2), Some("24"))
    );
    let (status, problem) = server.send(Method::POST, "/api/v1/lathes/long-bed/plate", json!({"rows": ["A"], "columns": ["1"], "cells": [["x"]]}), &[]).await;
    assert_eq!((status, problem["faults"][0]["pointer"].as_str()), (StatusCode::UNPROCESSABLE_ENTITY, Some("/cells/0/0")), "{problem}");
    let trial = json!({"spindle_turns": 10, "travel_mm": 31.8, "train": {"drivers": [40], "driven": [80]}});
    let (status, said) = server.send(Method::POST, "/api/v1/lathes/long-bed/trial", trial, &[]).await;
    assert_eq!((status, said["fixed_ratio"].as_str()), (StatusCode::OK, Some("1/1")), "{said}");
    let (status, told) = server.get("/api/v1/lathes/long-bed/purchases?unit=mm").await;
    assert_eq!(status, StatusCode::OK, "{told}");
    assert_eq!(told["covered"].as_u64().unwrap() + told["missing"].as_array().unwrap().len() as u64, told["wanted"].as_u64().unwrap());
    assert_eq!(server.get("/api/v1/lathes/long-bed/purchases?unit=furlong").await.0, StatusCode::BAD_REQUEST);
    for at in ["plate", "trial"] {
        assert_eq!(server.send(Method::POST, &format!("/api/v1/lathes/nowhere/{at}"), json!({}), &[]).await.0, StatusCode::NOT_FOUND);
    }
    // The board in order: each job once, the sample with no thread yet left out.
    let (status, day) = server.send(Method::POST, "/api/v1/day", json!({}), &[]).await;
    let steps = day["steps"].as_array().unwrap();
    assert_eq!((status, steps.len(), day["left_out"].as_array().unwrap().len()), (StatusCode::OK, 8, 1), "{day}");
    assert!(
        day["changes"].as_u64() <= day["as_given"].as_u64()
            && steps.iter().map(|s| s["count"].as_u64().unwrap()).sum::<u64>() == day["changes"].as_u64().unwrap()
    );
    let (status, problem) = server.send(Method::POST, "/api/v1/day", json!({"jobs": ["hydrant-union", "nowhere", "hydrant-union"]}), &[]).await;
    let pointers: Vec<&str> = problem["faults"].as_array().unwrap().iter().map(|f| f["pointer"].as_str().unwrap()).collect();
    assert_eq!((status, pointers), (StatusCode::UNPROCESSABLE_ENTITY, vec!["/jobs/1", "/jobs/2"]));
}

#[tokio::test]
async fn a_lathe_is_told_part_by_part_copied_put_away_and_brought_back() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path(), &["--demo"]);
    let patch =
        async |id: &str, revision: &str, body: Value| server.send(Method::PATCH, &format!("/api/v1/lathes/{id}"), body, &[("If-Match", revision)]).await;
    let (status, made) = server.post("/api/v1/lathes", json!({"name": "Tide mill"})).await;
    assert_eq!((status, made["id"].as_str(), made["revision"].as_i64()), (StatusCode::CREATED, Some("tide-mill"), Some(1)));
    assert!(made["said"]["parts"].as_array().unwrap().iter().all(|p| p["told"] == false), "told nothing, it says what stands in");
    // One part at a time; a stale change is answered with the lathe as it is, a faulty one with the field, and neither is kept.
    let (status, told) = patch("tide-mill", "1", json!({"leadscrew": {"pitch_mm": 3}, "gear_groups": [{"module_mm": 1, "gears": "20-60/5, 2x40"}]})).await;
    assert_eq!((status, told["revision"].as_i64(), told["profile"]["leadscrew"]["pitch_mm"].as_i64()), (StatusCode::OK, Some(2), Some(3)), "{told}");
    assert_eq!(told["said"]["drawer"].as_array().unwrap().len(), 11);
    let (status, stale) = patch("tide-mill", "1", json!({"post": "rear"})).await;
    assert_eq!((status, stale["current"]["revision"].as_i64()), (StatusCode::CONFLICT, Some(2)));
    let (status, faulty) = patch("tide-mill", "2", json!({"gear_groups": [{"module_mm": 1, "gears": "20-63/5"}], "post": "middle"})).await;
    let pointers: Vec<&str> = faulty["faults"].as_array().unwrap().iter().map(|f| f["pointer"].as_str().unwrap()).collect();
    assert_eq!((status, pointers), (StatusCode::UNPROCESSABLE_ENTITY, vec!["/post", "/gear_groups/0/gears"]));
    assert_eq!(patch("nowhere", "1", json!({})).await.0, StatusCode::NOT_FOUND);
    assert_eq!(server.send(Method::PATCH, "/api/v1/lathes/tide-mill", json!({}), &[]).await.0, StatusCode::PRECONDITION_REQUIRED);
    assert_eq!(patch("tide-mill", "2", json!({"name": "  "})).await.1["faults"][0]["pointer"], "/name");
    // A copy is its own lathe; a whole one is read in as exported, and refused whole with its place in the file.
    let (_, copy) = server.post("/api/v1/lathes", json!({"copy_of": "tide-mill"})).await;
    assert_eq!((copy["id"].as_str(), copy["profile"]["name"].as_str()), (Some("tide-mill-copied"), Some("Tide mill, copied")));
    let (_, exported) = server.get("/api/v1/lathes/gap-bed").await;
    let (status, read) = server.post("/api/v1/lathes", json!({"profile": exported})).await;
    assert_eq!((status, read["id"].as_str()), (StatusCode::CREATED, Some("gap-bed-2")));
    let mut back = server.get("/api/v1/lathes/gap-bed-2").await.1;
    back["id"] = json!("gap-bed");
    assert_eq!(back, exported, "nothing of a lathe is lost on its way out and in");
    let mut broken = exported.clone();
    broken["gearbox"][3]["ratio"] = json!("0/1");
    broken["colour"] = json!("green");
    let (status, problem) = server.post("/api/v1/lathes", json!({"profile": broken})).await;
    let pointers: Vec<&str> = problem["faults"].as_array().unwrap().iter().map(|f| f["pointer"].as_str().unwrap()).collect();
    assert_eq!((status, pointers), (StatusCode::UNPROCESSABLE_ENTITY, vec!["/profile/colour", "/profile/gearbox/3/ratio"]));
    // Put away it is in no list, yet its jobs keep it, and it comes back.
    let (_, seen) = server.get("/api/v1/lathes/gap-bed/view").await;
    assert!(seen["jobs"].as_array().unwrap().contains(&json!("Mill bearing stud")));
    let (_, away) = server.send(Method::DELETE, "/api/v1/lathes/gap-bed", Value::Null, &[]).await;
    assert!(away["away"].is_string());
    let ids = async |path: &str| -> Vec<String> { server.get(path).await.1.as_array().unwrap().iter().map(|l| l["id"].as_str().unwrap().to_owned()).collect() };
    assert!(!ids("/api/v1/lathes").await.contains(&"gap-bed".to_owned()));
    assert_eq!(ids("/api/v1/lathes?away=true").await, ["gap-bed"]);
    let (_, stud) = server.get("/api/v1/jobs/mill-bearing-stud").await;
    assert_eq!(stud["plan"]["gears"]["lathe"], "Gap bed");
    server.post("/api/v1/lathes/gap-bed/back", Value::Null).await;
    assert!(ids("/api/v1/lathes").await.contains(&"gap-bed".to_owned()));
    // Gears and plate go out and come in as sheets.
    let sheet = async |path: &str| server.client.get(format!("{}{path}", server.address)).send().await.unwrap().text().await.unwrap();
    let gears = sheet("/api/v1/lathes/gap-bed/gears.csv").await;
    assert!(gears.starts_with("teeth,count,module_mm,dp") && gears.lines().count() == 9, "{gears}");
    let put = async |path: &str, text: String| {
        let response = server.client.put(format!("{}{path}", server.address)).header("If-Match", "3").body(text).send().await.unwrap();
        (response.status(), response.json::<Value>().await.unwrap())
    };
    let (status, problem) = put("/api/v1/lathes/gap-bed/gears.csv", gears.replace("127", "one hundred")).await;
    assert_eq!((status, problem["faults"][0]["pointer"].as_str()), (StatusCode::UNPROCESSABLE_ENTITY, Some("/9/teeth")), "{problem}");
    let (status, now) = put("/api/v1/lathes/gap-bed/gears.csv", gears.replace("127", "96")).await;
    assert_eq!((status, now["said"]["drawer"][7].as_i64()), (StatusCode::OK, Some(96)), "{now}");
    let plate = sheet("/api/v1/lathes/gap-bed/plate.csv").await;
    assert!(plate.starts_with("ratio,") && plate.lines().count() == 18, "{plate}");
    assert_eq!(put("/api/v1/lathes/gap-bed/plate.csv", plate).await.0, StatusCode::CONFLICT, "the gears were changed since");
    // The last lathe may go too: a callout then is planned on none, and says so.
    for id in ["long-bed", "gap-bed", "bench", "gap-bed-2", "tide-mill-copied", "tide-mill"] {
        assert_eq!(server.send(Method::DELETE, &format!("/api/v1/lathes/{id}"), Value::Null, &[]).await.0, StatusCode::OK);
    }
    let (_, job) = server.post("/api/v1/jobs", json!({"callout": "M20"})).await;
    assert_eq!((&job["request"]["lathe_id"], job["plan"]["assumptions"][0]["pointer"].as_str()), (&Value::Null, Some("/lathe")), "{job}");
}

#[tokio::test]
async fn the_setup_and_the_groove_are_drawn_and_what_cannot_be_done_yet_is_refused() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path(), &["--demo"]);
    let job = "/api/v1/jobs/turnbuckle-ends--six";
    let (status, setup) = server.get(&format!("{job}/setup")).await;
    assert_eq!(status, StatusCode::OK, "{setup}");
    let step = setup["steps"].as_array().unwrap().iter().find(|s| s["code"] == "gears").unwrap();
    assert!(setup["picture"]["shapes"].as_array().unwrap().len() > 8 && !setup["cautions"].as_array().unwrap().is_empty());
    let (_, groove) = server.get(&format!("{job}/groove")).await;
    let (_, plan) = server.get(job).await;
    assert_eq!(groove["passes"].as_array().unwrap().len(), plan["plan"]["cut"]["passes"].as_array().unwrap().len());
    assert!(groove["what_if"].as_array().unwrap().len() >= 4 && groove["styles"].as_array().unwrap().len() >= 4, "{}", groove["what_if"]);
    for missing in ["setup", "groove"] {
        assert_eq!(server.get(&format!("/api/v1/jobs/nobody/{missing}")).await.0, StatusCode::NOT_FOUND);
    }
    let act = async |id: &str, act: Value| server.send(Method::PUT, &format!("{job}/acts/{id}"), json!({ "act": act }), &[]).await;
    // A tick is kept and freezes nothing; what only goes on with a cut waits for one.
    let (status, ticked) = act("t", json!({"kind": "ticked", "step": "gears", "stamp": step["stamp"]})).await;
    assert_eq!(
        (status, ticked["run"]["ticks"]["gears"]["stamp"].clone(), ticked["frozen"].as_bool()),
        (StatusCode::OK, step["stamp"].clone(), Some(false)),
        "{ticked}"
    );
    for kind in ["sprung", "rechucked", "lost", "stopped", "resumed", "finished"] {
        let (status, problem) = act(kind, json!({ "kind": kind })).await;
        assert_eq!((status, problem["faults"][0]["pointer"].as_str()), (StatusCode::UNPROCESSABLE_ENTITY, Some("/act/kind")), "{problem}");
    }
    let first = plan["plan"]["run"]["passes"][0].clone();
    act("p", json!({"kind": "pass_done", "n": first["n"], "radial_mm": first["radial_mm"]})).await;
    let (status, problem) = act("far", json!({"kind": "took", "n": 1, "reading": 60.0})).await;
    assert_eq!((status, problem["faults"][0]["pointer"].as_str()), (StatusCode::UNPROCESSABLE_ENTITY, Some("/act/reading")), "{problem}");
    let (status, problem) = act("f", json!({"kind": "finished"})).await;
    let opening_loses = plan["plan"]["run"]["opening_loses"].as_bool().unwrap();
    assert_eq!(status == StatusCode::UNPROCESSABLE_ENTITY, opening_loses, "{problem}");
    let (status, lost) = act("l", json!({"kind": "lost"})).await;
    assert!(status == StatusCode::OK && lost["run"]["pick_up"][2].as_str().unwrap().contains("set the dial that carries the depth"), "{lost}");
}
