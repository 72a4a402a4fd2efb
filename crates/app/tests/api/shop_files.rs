//! The shop as one file: out and in again the same to the byte, and hostile files refused with where and nothing touched.

use crate::common::Server;
use reqwest::{Method, StatusCode};
use serde_json::{Value, json};

async fn out(server: &Server, path: &str) -> String {
    server.client.get(format!("{}{path}", server.address)).send().await.unwrap().text().await.unwrap()
}

async fn taken_in(server: &Server, text: String) -> (StatusCode, Value) {
    let answer = server.client.post(format!("{}/api/v1/shop.json", server.address)).body(text).send().await.unwrap();
    (answer.status(), answer.json().await.unwrap_or_default())
}

/// A shop with acts of every kind told at random, numbers as awkward as they come.
async fn random_shop(server: &Server, seed: u64) {
    let mut state = seed;
    let mut next = |below: u64| {
        state = state.wrapping_mul(6_364_136_223_846_793_005).wrapping_add(1_442_695_040_888_963_407);
        (state >> 33) % below
    };
    let kinds = [
        json!({"kind": "pass_done", "n": 1, "radial_mm": 0.1}),
        json!({"kind": "measured", "pitch_diameter_mm": 20.300_000_000_000_004, "places": [{"mm": 20.31, "along_mm": 1e-3}]}),
        json!({"kind": "note", "text": "µm, “quoted” \\ \" \n and a tab\t"}),
        json!({"kind": "stands_at", "reading": 1.5}),
        json!({"kind": "tried", "fit": "enters", "turns": 0.333_333_333_333_333_3}),
        json!({"kind": "trouble", "symptom": "torn", "cause": "rubs", "found": false}),
        json!({"kind": "ticked", "step": "height", "stamp": "00ff", "noted": "plumb"}),
    ];
    let (_, jobs) = server.get("/api/v1/jobs").await;
    for job in jobs.as_array().unwrap() {
        for i in 0..next(6) {
            let act = &kinds[usize::try_from(next(kinds.len() as u64)).unwrap()];
            let path = format!("/api/v1/jobs/{}/acts/r{seed}-{i}", job["id"].as_str().unwrap());
            server.send(Method::PUT, &path, json!({"act": act, "happened": "2026-05-04T09:00:00+02:00", "seen": i}), &[]).await;
        }
        // Its route, changed or not, with some of it ticked.
        let path = format!("/api/v1/jobs/{}/route", job["id"].as_str().unwrap());
        let (_, route) = server.get(&path).await;
        if next(3) == 0 && route["revision"] == 0 {
            server.send(Method::PUT, &path, route["route"].clone(), &[("If-Match", "0")]).await;
        }
        for op in route["route"]["setups"].as_array().into_iter().flatten().flat_map(|s| s["ops"].as_array().unwrap()) {
            if next(4) == 0 {
                server.send(Method::PUT, &format!("{path}/ops/{}", op["id"].as_str().unwrap()), json!({"done": true}), &[]).await;
            }
        }
    }
}

#[tokio::test]
async fn a_shop_goes_out_and_comes_into_an_empty_one_the_same_to_the_byte() {
    for seed in 1..=4 {
        let (here, there) = (tempfile::tempdir().unwrap(), tempfile::tempdir().unwrap());
        let server = Server::start(here.path(), &["--demo"]);
        random_shop(&server, seed).await;
        // What a lathe has none of goes the same road as what it has, and another field told changes neither.
        let crank =
            json!({"leadscrew": {"pitch_mm": 1}, "thread_axis": "top_slide", "gears": [20, 25, 40, 50], "drive": "hand", "dial": null, "tumbler": null});
        let (status, made) = server.post("/api/v1/lathes", json!({"name": "Bench crank", "profile": crank})).await;
        assert_eq!(status, StatusCode::CREATED, "{made}");
        let (status, told) = server.send(Method::PATCH, "/api/v1/lathes/bench-crank", json!({"post": "front"}), &[("If-Match", "1")]).await;
        assert_eq!(status, StatusCode::OK, "{told}");
        let profile = told["profile"].as_object().unwrap();
        assert!(["dial", "tumbler"].iter().all(|field| profile.get(*field) == Some(&Value::Null)) && !profile.contains_key("arm"), "{profile:?}");
        let first = out(&server, "/api/v1/shop.json").await;
        assert_eq!(out(&server, "/api/v1/shop.json").await, first, "nothing in it tells when it was made");
        let empty = Server::start(there.path(), &[]);
        let (status, taken) = taken_in(&empty, first.clone()).await;
        assert_eq!((status, taken["lathes"].as_u64()), (StatusCode::OK, Some(4)), "{taken}");
        assert_eq!(out(&empty, "/api/v1/shop.json").await, first, "byte for byte");
        // Again, nothing is doubled; and one job alone goes the same road.
        let (_, again) = taken_in(&empty, first.clone()).await;
        assert_eq!((again["jobs"].as_u64(), again["acts"].as_u64(), again["kept"].as_u64()), (Some(0), Some(0), Some(0)));
        let one = out(&server, "/api/v1/jobs/paddle-screw-and-nut/job.json").await;
        let file: Value = serde_json::from_str(&one).unwrap();
        assert_eq!((file["jobs"].as_array().unwrap().len(), file["lathes"].as_array().unwrap().len()), (2, 1), "a pair goes together, with its lathe");
    }
}

#[tokio::test]
async fn a_hostile_file_is_refused_with_where_and_nothing_is_touched() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path(), &["--demo"]);
    random_shop(&server, 9).await;
    let good = out(&server, "/api/v1/shop.json").await;
    let spoil = |change: &dyn Fn(&mut Value)| {
        let mut file: Value = serde_json::from_str(&good).unwrap();
        change(&mut file);
        file.to_string()
    };
    let begun = serde_json::from_str::<Value>(&good).unwrap()["jobs"].as_array().unwrap().iter().position(|j| j["acts"].as_array().unwrap().len() > 1).unwrap();
    let at = |rest: &str| format!("/jobs/{begun}{rest}");
    let hostile: Vec<(String, String)> = vec![
        (String::new(), String::new()),
        ("[1, 2".into(), String::new()),
        (good[..good.len() / 2].to_owned(), String::new()),
        (spoil(&|f| f["format"] = json!("other")), "/format".into()),
        (spoil(&|f| f["version"] = json!(2)), "/version".into()),
        (spoil(&|f| f["extra"] = json!(true)), String::new()),
        (spoil(&|f| f["jobs"][1]["id"] = f["jobs"][0]["id"].clone()), "/jobs/1/id".into()),
        (spoil(&|f| f["jobs"][0]["id"] = json!("")), "/jobs/0/id".into()),
        (spoil(&|f| f["jobs"][0]["mate"] = json!("nobody")), "/jobs/0/mate".into()),
        (spoil(&|f| f["jobs"][0]["request"]["thread"]["callout"] = json!(7)), "/jobs/0/request/thread/callout".into()),
        (spoil(&|f| f["jobs"][begun]["acts"][0]["act"] = json!({"kind": "conjured"})), at("/acts/0/act/kind")),
        (spoil(&|f| f["jobs"][begun]["acts"][1]["sequence"] = json!(7)), at("/acts/1/sequence")),
        (spoil(&|f| f["jobs"][begun]["acts"][1]["id"] = f["jobs"][begun]["acts"][0]["id"].clone()), at("/acts/1/id")),
        (spoil(&|f| f["jobs"][begun]["acts"][0]["act"] = json!({"kind": "note", "text": ""})), at("/acts/0/act/text")),
        (spoil(&|f| f["lathes"][0]["body"]["leadscrew"] = json!("long")), "/lathes/0/body/leadscrew".into()),
        (spoil(&|f| f["jobs"][0]["title"] = json!("x".repeat(5000))), "/jobs/0/title".into()),
    ];
    for (text, pointer) in hostile {
        let (status, problem) = taken_in(&server, text.clone()).await;
        let told = problem["faults"][0]["pointer"].as_str().unwrap_or_default();
        assert_eq!((status, told), (StatusCode::UNPROCESSABLE_ENTITY, pointer.as_str()), "{problem} for {}", &text[..text.len().min(80)]);
        assert_eq!(out(&server, "/api/v1/shop.json").await, good);
    }
}
