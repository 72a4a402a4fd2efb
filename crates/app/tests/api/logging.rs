//! The log over HTTP: the story and its sheet, what was learned, search, photographs.

use crate::common::Server;
use reqwest::{Method, StatusCode};
use serde_json::{Value, json};

#[tokio::test]
async fn a_job_keeps_its_story_what_it_learned_and_is_found_by_it() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path(), &["--demo"]);
    let id = "mill-bearing-stud";
    let (_, job) = server.get(&format!("/api/v1/jobs/{id}")).await;
    let (_, empty) = server.get(&format!("/api/v1/jobs/{id}/log")).await;
    assert!(empty["story"].is_null() && empty["photos"].as_array().unwrap().is_empty(), "{empty}");
    let put = async |act: &str, body: Value| server.send(Method::PUT, &format!("/api/v1/jobs/{id}/acts/{act}"), json!({ "act": body }), &[]).await;
    for p in job["plan"]["run"]["passes"].as_array().unwrap() {
        put(&format!("p{}", p["n"]), json!({"kind": "pass_done", "n": p["n"], "radial_mm": p["radial_mm"]})).await;
    }
    let target = job["plan"]["run"]["target_mm"].as_f64().unwrap();
    let (status, _) = put("m", json!({"kind": "measured", "pitch_diameter_mm": target, "instrument": "25-50"})).await;
    assert_eq!(status, StatusCode::OK);
    // Three passes that ran past the mark alike tell how quick the hand is: the way past it over the carriage's speed.
    for n in 0..3 {
        put(&format!("o{n}"), json!({"kind": "overran", "past_mm": 1.5})).await;
    }
    put("n", json!({"kind": "note", "text": "Chalked the bearing race"})).await;
    let (status, log) = server.get(&format!("/api/v1/jobs/{id}/log")).await;
    let lines = log["story"]["lines"].as_array().unwrap();
    assert_eq!((status, lines.last().unwrap()["says"].as_str()), (StatusCode::OK, Some("Chalked the bearing race")));
    assert!(log["story"]["result"].as_str().unwrap().contains("in limits") && log["engine"].is_string());
    // What it learned is told for its lathe and material, and for the whole shop.
    assert_eq!(
        (log["learned"]["lathe"].as_str(), log["learned"]["material"].as_str(), log["learned"]["jobs"].as_u64()),
        (Some("Gap bed"), Some("alloy steel"), Some(1))
    );
    let number = |at: &str| job["plan"].pointer(at).unwrap().as_f64().unwrap();
    let late = 1.5 / (number("/thread/lead_mm/value") * number("/setup/speed_rpm/value") / 60.0);
    assert!((log["learned"]["reaction_s"].as_f64().unwrap() - (late * 10.0).ceil() / 10.0).abs() < 1e-9, "{log}");
    let (_, all) = server.get("/api/v1/learned").await;
    assert!(all.as_array().unwrap().iter().any(|l| *l == log["learned"]), "{all}");
    // The sheet has a line an act.
    let sheet = server.client.get(format!("{}/api/v1/jobs/{id}/log.csv", server.address)).send().await.unwrap();
    assert!(sheet.headers()["content-disposition"].to_str().unwrap().contains("mill-bearing-stud-log.csv"));
    assert_eq!(sheet.text().await.unwrap().lines().count(), lines.len() + 1);
    // Found by any words together, the notes among them; by none that are not there.
    let found = async |q: &str| server.get(&format!("/api/v1/search?q={q}")).await.1;
    assert_eq!(found("chalked%20alloy").await, json!([id]));
    assert_eq!(found("GAP%20in%20limits").await, json!([id]));
    assert_eq!(found("chalked%20brass").await, json!([]));
    assert_eq!(server.get("/api/v1/jobs/none/log").await.0, StatusCode::NOT_FOUND);
}

#[tokio::test]
async fn photographs_are_taken_in_by_what_they_are_and_kept_through_a_power_cut() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path(), &["--demo"]);
    let put = async |server: &Server, path: &str, bytes: Vec<u8>| {
        let sent = server.client.put(format!("{}/api/v1/jobs/{path}", server.address)).body(bytes).send().await.unwrap();
        (sent.status(), sent.json::<Value>().await.unwrap_or_default())
    };
    let png = [b"\x89PNG\r\n\x1a\n".to_vec(), vec![7; 300_000]].concat();
    assert_eq!(put(&server, "hydrant-union/photos/a?says=first%20scratch", png.clone()).await.0, StatusCode::NO_CONTENT);
    assert_eq!(put(&server, "hydrant-union/photos/a", png.clone()).await.0, StatusCode::NO_CONTENT, "the same again");
    assert_eq!(put(&server, "hydrant-union/photos/a", vec![0xFF, 0xD8, 0xFF, 1]).await.0, StatusCode::CONFLICT);
    let (status, problem) = put(&server, "hydrant-union/photos/b", b"<svg onload=alert(1)>".to_vec()).await;
    assert_eq!((status, problem["faults"][0]["pointer"].as_str()), (StatusCode::UNPROCESSABLE_ENTITY, Some("/body")));
    let large = [b"\x89PNG\r\n\x1a\n".to_vec(), vec![0; 5 * 1024 * 1024]].concat();
    assert!(put(&server, "hydrant-union/photos/c", large).await.0.is_client_error());
    assert_eq!(put(&server, "no-such-job/photos/a", png.clone()).await.0, StatusCode::NOT_FOUND);
    for i in 0..19 {
        assert_eq!(put(&server, &format!("hydrant-union/photos/n{i}"), vec![0xFF, 0xD8, 0xFF, i]).await.0, StatusCode::NO_CONTENT);
    }
    assert_eq!(put(&server, "hydrant-union/photos/one-too-many", vec![0xFF, 0xD8, 0xFF]).await.0, StatusCode::UNPROCESSABLE_ENTITY);
    server.kill();
    let server = Server::start(folder.path(), &["--demo"]);
    let (_, log) = server.get("/api/v1/jobs/hydrant-union/log").await;
    assert_eq!((log["photos"].as_array().unwrap().len(), log["photos"][0]["says"].as_str()), (20, Some("first scratch")));
    let back = server.client.get(format!("{}/api/v1/jobs/hydrant-union/photos/a", server.address)).send().await.unwrap();
    assert_eq!(back.headers()["content-type"], "image/png");
    assert_eq!(back.bytes().await.unwrap().to_vec(), png);
}

#[tokio::test]
async fn backup_wipe_and_restore_bring_the_shop_back_with_its_story() {
    use std::process::Command;
    let (folder, other) = (tempfile::tempdir().unwrap(), tempfile::tempdir().unwrap());
    let server = Server::start(folder.path(), &["--demo"]);
    let act = json!({"act": {"kind": "note", "text": "before the flood"}});
    server.send(Method::PUT, "/api/v1/jobs/footbridge-tie-rod/acts/note", act, &[]).await;
    let (_, before) = server.get("/api/v1/jobs/footbridge-tie-rod/log").await;
    // The day's copy was made when it started.
    for _ in 0..100 {
        if folder.path().join("copies").exists() {
            break;
        }
        std::thread::sleep(std::time::Duration::from_millis(50));
    }
    let copies = std::fs::read_dir(folder.path().join("copies")).unwrap().count();
    assert!(copies >= 1);
    let run = |args: [&str; 2], data: &std::path::Path| Command::new(env!("CARGO_BIN_EXE_yoke-turn")).args(args).arg("--data").arg(data).output().unwrap();
    let file = other.path().join("yard.db");
    let path = file.to_str().unwrap();
    // While the server runs.
    let made = run(["backup", path], folder.path());
    assert!(made.status.success(), "{}", String::from_utf8_lossy(&made.stderr));
    let again = run(["backup", path], folder.path());
    assert!(again.status.code() == Some(2) && String::from_utf8_lossy(&again.stderr).contains("is there already"));
    server.kill();
    for ending in ["db", "db-wal", "db-shm"] {
        let _ = std::fs::remove_file(folder.path().join("yoke-turn.db").with_extension(ending));
    }
    let back = run(["restore", path], folder.path());
    let said = String::from_utf8_lossy(&back.stdout).into_owned();
    assert!(back.status.success() && said.contains("jobs") && said.contains("3 lathes"), "{said}");
    let refused = run(["restore", file.with_extension("nothing").to_str().unwrap()], folder.path());
    assert_eq!(refused.status.code(), Some(2));
    let server = Server::start(folder.path(), &[]);
    let (_, after) = server.get("/api/v1/jobs/footbridge-tie-rod/log").await;
    assert_eq!(after, before);
}
