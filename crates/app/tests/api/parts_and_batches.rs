//! Routes, batches and the day's order over HTTP: kept under a revision, ticked once, tallied, begun again, and saved with the shop.

use crate::common::Server;
use reqwest::{Method, StatusCode};
use serde_json::{Value, json};

async fn put(server: &Server, path: &str, revision: &str, body: Value) -> (StatusCode, Value) {
    server.send(Method::PUT, path, body, &[("If-Match", revision)]).await
}

fn op(route: &Value, kind: &str) -> String {
    let ops = route["said"]["setups"].as_array().unwrap().iter().flat_map(|s| s["ops"].as_array().unwrap());
    ops.into_iter().find(|o| o["kind"] == kind).unwrap()["id"].as_str().unwrap().to_owned()
}

#[tokio::test]
async fn a_route_is_the_apps_until_it_is_changed_and_its_ticks_are_told_twice_without_harm() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path(), &["--demo"]);
    let path = "/api/v1/jobs/paddle-screw-and-nut/route";
    let (status, route) = server.get(path).await;
    assert_eq!((status, route["revision"].as_i64(), route["jobs"].as_array().unwrap().len()), (StatusCode::OK, Some(0), 2), "{route}");
    assert_eq!(route["said"]["remarks"], json!([]));
    // From the nut's side it is the same route.
    let nut = route["jobs"][1]["id"].as_str().unwrap();
    assert_eq!(server.get(&format!("/api/v1/jobs/{nut}/route")).await.1["route"], route["route"]);
    // Ticked twice, unticked, and one there is not.
    let face = op(&route, "face");
    for done in [true, true] {
        let (status, _) = put(&server, &format!("{path}/ops/{face}"), "0", json!({ "done": done })).await;
        assert_eq!(status, StatusCode::OK);
    }
    let done = |r: &Value| r["said"]["setups"].as_array().unwrap().iter().flat_map(|s| s["ops"].as_array().unwrap()).filter(|o| o["done"].is_string()).count();
    assert_eq!(done(&server.get(path).await.1), 1);
    assert_eq!(put(&server, &format!("{path}/ops/none"), "0", json!({"done": true})).await.0, StatusCode::NOT_FOUND);
    // Changed: an operation of one's own, kept under a revision; a stale change gives the newer route, a faulty one names its field.
    let mut own = route["route"].clone();
    own["setups"][0]["ops"].as_array_mut().unwrap().push(json!({"id": "mine", "kind": "own", "says": "Stamp the lock's number", "minutes": 3.0}));
    let (status, kept) = put(&server, path, "0", own.clone()).await;
    assert_eq!((status, kept["revision"].as_i64(), done(&kept)), (StatusCode::OK, Some(1), 1), "{kept}");
    let (status, problem) = put(&server, path, "0", own.clone()).await;
    assert_eq!((status, problem["current"]["revision"].as_i64()), (StatusCode::CONFLICT, Some(1)));
    own["setups"][0]["ops"][0]["minutes"] = json!(-1);
    let (status, problem) = put(&server, path, "1", own).await;
    assert_eq!((status, problem["faults"][0]["pointer"].as_str()), (StatusCode::UNPROCESSABLE_ENTITY, Some("/setups/0/ops/0/minutes")));
    let (_, problem) = put(&server, path, "1", json!({"setups": [], "extra": 1})).await;
    assert_eq!(problem["faults"][0]["pointer"], "/extra");
    assert_eq!(server.send(Method::PUT, path, json!({}), &[]).await.0, StatusCode::PRECONDITION_REQUIRED);
    // The screw in two dimensions, printed; and back to the app's own.
    let (_, paper) = server.get("/api/v1/jobs/paddle-screw-and-nut/paper").await;
    assert_eq!(paper["thread"], "1-1/4-5 Acme-2G LH");
    assert!(paper["ten_seconds"].as_array().unwrap().len() > 5 && !paper["passes"].as_array().unwrap().is_empty());
    let (_, back) = server.send(Method::DELETE, path, Value::Null, &[]).await;
    assert_eq!((back["revision"].as_i64(), &back["route"], done(&back)), (Some(0), &route["route"], 1));
    assert_eq!(server.get("/api/v1/jobs/none/route").await.0, StatusCode::NOT_FOUND);
}

/// The jobs of the demo yard's batch, by place.
async fn ends(server: &Server) -> Vec<String> {
    let (_, batch) = server.get("/api/v1/jobs/turnbuckle-ends--six/batch").await;
    batch["tally"]["rows"].as_array().unwrap().iter().map(|r| r["job"].as_str().unwrap().to_owned()).collect()
}

async fn act(server: &Server, job: &str, id: &str, act: Value) -> (StatusCode, Value) {
    server.send(Method::PUT, &format!("/api/v1/jobs/{job}/acts/{id}"), json!({ "act": act }), &[]).await
}

/// Cuts a part to a size.
async fn cut(server: &Server, job: &str, size: f64) {
    let (_, view) = server.get(&format!("/api/v1/jobs/{job}")).await;
    for p in view["plan"]["run"]["passes"].as_array().unwrap() {
        act(server, job, &format!("p{}", p["n"]), json!({"kind": "pass_done", "n": p["n"], "radial_mm": p["radial_mm"]})).await;
    }
    assert_eq!(act(server, job, "m", json!({"kind": "measured", "pitch_diameter_mm": size})).await.0, StatusCode::OK);
}

#[tokio::test]
async fn six_ends_are_tallied_one_scrapped_and_begun_again_and_the_next_begins_from_the_last() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path(), &["--demo"]);
    let path = "/api/v1/jobs/turnbuckle-ends--six/batch";
    let (status, batch) = server.get(path).await;
    assert_eq!((status, batch["tally"]["wanted"].as_i64(), batch["next"]["place"].as_i64()), (StatusCode::OK, Some(6), Some(1)), "{batch}");
    let hands: Vec<&str> = batch["tally"]["rows"].as_array().unwrap().iter().map(|r| r["says"].as_str().unwrap()).collect();
    assert_eq!(hands, ["right-hand", "right-hand", "right-hand", "left-hand", "left-hand", "left-hand"]);
    assert_eq!(batch["orders"].as_array().unwrap().iter().filter(|o| o["recommended"] == true).count(), 1);
    // Plain sizes beside the thread, under a revision.
    let facts = json!({"learn": true, "plain": [{"name": "shank", "nominal_mm": 16.0, "over_mm": 0.0, "under_mm": -0.11}]});
    assert_eq!(put(&server, path, "9", facts.clone()).await.0, StatusCode::CONFLICT);
    assert_eq!(put(&server, path, "1", facts.clone()).await.0, StatusCode::OK);
    let (status, problem) = put(&server, path, "2", json!({"plain": [{"name": ""}]})).await;
    assert_eq!((status, problem["faults"][0]["pointer"].as_str()), (StatusCode::UNPROCESSABLE_ENTITY, Some("/plain/0/name")));
    let jobs = ends(&server).await;
    // A reading of a size there is not, and one in the other unit, are refused by field.
    let refused = |answer: (StatusCode, Value)| (answer.0, answer.1["faults"][0]["pointer"].as_str().unwrap_or_default().to_owned());
    let faulty = |at: &str| (StatusCode::UNPROCESSABLE_ENTITY, at.to_owned());
    assert_eq!(refused(act(&server, &jobs[0], "s", json!({"kind": "sized", "name": "head", "mm": 15.9})).await), faulty("/act/name"));
    assert_eq!(refused(act(&server, &jobs[0], "s", json!({"kind": "sized", "name": "shank", "mm": 0.627})).await), faulty("/act/mm"));
    assert_eq!(
        server.send(Method::POST, &format!("/api/v1/jobs/{}/batch/carry", jobs[0]), Value::Null, &[]).await.0,
        StatusCode::CONFLICT,
        "nothing is found yet"
    );
    // Five parts with a shank that grows; the third is spoilt.
    let (_, first) = server.get(&format!("/api/v1/jobs/{}", jobs[0])).await;
    let target = first["plan"]["run"]["target_mm"].as_f64().unwrap();
    for (i, (job, size)) in jobs.iter().zip([15.90, 15.92, 15.94, 15.96, 15.98]).enumerate() {
        cut(&server, job, target).await;
        assert_eq!(act(&server, job, "s", json!({"kind": "sized", "name": "shank", "mm": size})).await.0, StatusCode::OK);
        if i == 2 {
            let (status, _) = server.send(Method::POST, &format!("/api/v1/jobs/{job}/batch/again"), Value::Null, &[]).await;
            assert_eq!(status, StatusCode::CONFLICT, "it is not scrapped yet");
            act(&server, job, "x", json!({"kind": "scrapped", "why": "the bit dug in at the relief"})).await;
        }
    }
    let (_, batch) = server.get(path).await;
    assert_eq!(batch["tally"]["says"], "4 of 6 good, 1 scrapped.");
    let shank = &batch["tally"]["columns"][1];
    assert_eq!((shank["drift"]["real"].as_bool(), shank["drift"]["past_in"].as_i64()), (Some(true), Some(2)), "{shank}");
    assert_eq!(batch["next"]["place"], 6, "the spoilt one is begun again when that is asked for");
    let (status, again) = server.send(Method::POST, &format!("/api/v1/jobs/{}/batch/again", jobs[2]), Value::Null, &[]).await;
    assert_eq!((status, again["place"].as_i64(), again["request"].clone()), (StatusCode::CREATED, Some(3), first["request"].clone()));
    assert_eq!(server.send(Method::POST, &format!("/api/v1/jobs/{}/batch/again", jobs[2]), Value::Null, &[]).await.0, StatusCode::CONFLICT);
    let (_, batch) = server.get(path).await;
    assert_eq!((batch["next"]["place"].as_i64(), batch["tally"]["rows"].as_array().unwrap().len(), batch["tally"]["wanted"].as_i64()), (Some(3), 7, Some(6)));
    // It begins from what the last one read found.
    let new = again["id"].as_str().unwrap();
    let (status, begun) = server.send(Method::POST, &format!("/api/v1/jobs/{new}/batch/carry"), Value::Null, &[]).await;
    assert_eq!((status, &begun["request"]["bit"]["tip_flat_between_mm"]), (StatusCode::OK, &batch["carried"]["flat_mm"]));
    assert!(begun["plan"]["run"]["tip_doubt_mm"].as_f64().unwrap() < again["plan"]["run"]["tip_doubt_mm"].as_f64().unwrap());
    assert_eq!(
        server.send(Method::POST, &format!("/api/v1/jobs/{}/batch/carry", jobs[0]), Value::Null, &[]).await.0,
        StatusCode::CONFLICT,
        "its plan is frozen"
    );
    // The sheet, and the whole shop out and in again with route, ticks and batch.
    let sheet = server.client.get(format!("{}{path}.csv", server.address)).send().await.unwrap().text().await.unwrap();
    assert_eq!(sheet.lines().count(), 8);
    let (_, route) = server.get(&format!("/api/v1/jobs/{}/route", jobs[1])).await;
    let tick = format!("/api/v1/jobs/{}/route/ops/{}", jobs[1], op(&route, "saw"));
    assert_eq!(put(&server, &tick, "0", json!({"done": true})).await.0, StatusCode::OK);
    assert!(server.get(&format!("/api/v1/jobs/{}/route", jobs[0])).await.1["said"]["setups"][0]["ops"][0]["done"].is_null(), "each part has its own ticks");
    let out = async |s: &Server| s.client.get(format!("{}/api/v1/shop.json", s.address)).send().await.unwrap().text().await.unwrap();
    let text = out(&server).await;
    let there = tempfile::tempdir().unwrap();
    let empty = Server::start(there.path(), &[]);
    assert_eq!(empty.client.post(format!("{}/api/v1/shop.json", empty.address)).body(text.clone()).send().await.unwrap().status(), StatusCode::OK);
    assert_eq!(out(&empty).await, text);
    for (spoil, at) in [("batch", "batch"), ("place", "place")] {
        let mut file: Value = serde_json::from_str(&text).unwrap();
        let i = file["jobs"].as_array().unwrap().iter().position(|j| j["batch"].is_string()).unwrap();
        file["jobs"][i][spoil] = if spoil == "batch" { json!("nobody") } else { json!(0) };
        let answer = empty.client.post(format!("{}/api/v1/shop.json", empty.address)).body(file.to_string()).send().await.unwrap();
        let problem: Value = answer.json().await.unwrap();
        assert_eq!(problem["faults"][0]["pointer"], format!("/jobs/{i}/{at}"));
    }
    for (change, at) in [
        (json!({"owner": "nobody", "kind": "route", "body": {}, "revision": 1}), "owner"),
        (json!({"owner": "shop", "kind": "spell", "body": {}, "revision": 1}), "kind"),
        (json!({"owner": "shop", "kind": "day", "body": {}, "revision": 1}), "body"),
    ] {
        let mut file: Value = serde_json::from_str(&text).unwrap();
        file["sheets"][0] = change;
        let answer = empty.client.post(format!("{}/api/v1/shop.json", empty.address)).body(file.to_string()).send().await.unwrap();
        let problem: Value = answer.json().await.unwrap();
        assert_eq!(problem["faults"][0]["pointer"], format!("/sheets/0/{at}"));
    }
}

#[tokio::test]
async fn a_batch_asked_wrongly_is_refused_by_field() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path(), &["--demo"]);
    let path = "/api/v1/jobs/hydrant-union/batch";
    assert_eq!(server.get(path).await.0, StatusCode::NOT_FOUND);
    for (body, pointer) in [
        (json!({"parts": 1}), "/parts"),
        (json!({"parts": 3, "hands": ["left"]}), "/hands"),
        (json!({"parts": 2, "hands": ["left", "left"]}), "/hands"),
        (json!({"parts": 2, "hands": ["up", "left"]}), "/hands/0"),
        (json!({"parts": "six"}), "/parts"),
    ] {
        let (status, problem) = server.post(path, body).await;
        assert_eq!((status, problem["faults"][0]["pointer"].as_str()), (StatusCode::UNPROCESSABLE_ENTITY, Some(pointer)), "{problem}");
    }
    let (status, batch) = server.post(path, json!({"parts": 3})).await;
    assert_eq!((status, batch["tally"]["wanted"].as_i64()), (StatusCode::CREATED, Some(3)));
    assert_eq!(server.post(path, json!({"parts": 3})).await.0, StatusCode::CONFLICT);
}

#[tokio::test]
async fn the_days_order_can_be_overruled_and_goes_back() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path(), &["--demo"]);
    let (_, day) = server.get("/api/v1/day").await;
    let ids = |d: &Value| d["steps"].as_array().unwrap().iter().map(|s| s["id"].as_str().unwrap().to_owned()).collect::<Vec<_>>();
    let best = ids(&day);
    assert!(day["told"] == false && best.iter().filter(|i| i.contains("turnbuckle")).count() == 1, "a batch stands for its next part: {day}");
    let mut own = best.clone();
    own.reverse();
    let (status, told) = server.send(Method::PUT, "/api/v1/day", json!({ "jobs": own }), &[]).await;
    assert_eq!((status, told["told"].as_bool(), ids(&told)), (StatusCode::OK, Some(true), own.clone()), "{told}");
    assert!(told["changes"].as_u64() >= told["as_given"].as_u64(), "never less than the best");
    assert_eq!(ids(&server.get("/api/v1/day").await.1), own, "kept, for every screen");
    // A job made since comes after; one twice is refused and changes nothing.
    let (_, new) = server.post("/api/v1/jobs", json!({"callout": "M12", "lathe_id": "long-bed"})).await;
    assert_eq!(ids(&server.get("/api/v1/day").await.1).last(), new["id"].as_str().map(str::to_owned).as_ref());
    let (status, problem) = server.send(Method::PUT, "/api/v1/day", json!({"jobs": [own[0], own[0]]}), &[]).await;
    assert_eq!((status, problem["faults"][0]["pointer"].as_str()), (StatusCode::UNPROCESSABLE_ENTITY, Some("/jobs/1")));
    let (_, back) = server.send(Method::PUT, "/api/v1/day", json!({"jobs": []}), &[]).await;
    assert_eq!(back["told"], false);
}

#[cfg(unix)]
#[tokio::test]
async fn a_full_disk_saves_nothing_says_so_and_the_same_act_is_taken_once_there_is_room() {
    let folder = tempfile::tempdir().unwrap();
    Server::start(folder.path(), &["--demo"]).kill();
    // No file may grow past what it is: as on a full disk, what is written comes back refused.
    let size = |name: &str| std::fs::metadata(folder.path().join(name)).map_or(0, |m| m.len());
    let largest = (size("yoke-turn.db") + size("yoke-turn.db-wal")) / 512 + 8;
    let server = Server::start_under(folder.path(), &format!("trap '' XFSZ; ulimit -f {largest};"));
    let note = |n: usize| json!({"kind": "note", "text": format!("{n} {}", "chips ".repeat(600))});
    let mut refused = None;
    for n in 0..400 {
        let (status, problem) = act(&server, "hydrant-union", &format!("n{n}"), note(n)).await;
        if status != StatusCode::OK {
            assert_eq!((status, problem["title"].as_str()), (StatusCode::INTERNAL_SERVER_ERROR, Some("Not saved")), "{problem}");
            refused = Some(n);
            break;
        }
    }
    let refused = refused.unwrap();
    let (status, job) = server.get("/api/v1/jobs/hydrant-union").await;
    assert_eq!((status, job["sequence"].as_u64()), (StatusCode::OK, Some(refused as u64)), "it goes on answering, and what was acknowledged stands");
    server.kill();
    let roomy = Server::start(folder.path(), &[]);
    let (status, job) = act(&roomy, "hydrant-union", &format!("n{refused}"), note(refused)).await;
    assert_eq!((status, job["sequence"].as_u64()), (StatusCode::OK, Some(refused as u64 + 1)));
}

#[tokio::test]
async fn a_batch_of_two_ended_parts_has_both_ends_of_each_and_one_spoilt_is_begun_again_whole() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path(), &["--demo"]);
    let request = json!({"thread": {"callout": "M12-6g", "length_mm": 40}, "lathe_id": "gap-bed", "bit": {"tip_flat_mm": 0.25}});
    let (_, first) = server.post("/api/v1/jobs", json!({"title": "Stay", "request": request})).await;
    let right = first["id"].as_str().unwrap().to_owned();
    let (status, left) = server.post(&format!("/api/v1/jobs/{right}/members"), json!({"callout": "M12-6g LH"})).await;
    assert_eq!(status, StatusCode::CREATED, "{left}");
    let path = format!("/api/v1/jobs/{right}/batch");
    let (status, batch) = server.post(&path, json!({"parts": 6})).await;
    assert_eq!(status, StatusCode::CREATED, "{batch}");
    let rows = batch["tally"]["rows"].as_array().unwrap().clone();
    assert_eq!((rows.len(), batch["tally"]["wanted"].as_i64()), (6, Some(6)));
    assert!(rows.iter().all(|r| r["threads"].as_array().unwrap().iter().filter(|t| t.is_string()).count() == 2), "{rows:?}");
    let columns: Vec<&str> = batch["tally"]["columns"].as_array().unwrap().iter().filter_map(|c| c["name"].as_str()).collect();
    assert_eq!(columns[..2], ["M12×1.75-6g: Pitch diameter", "M12×1.75-6g LH: Pitch diameter"]);
    // Both ends of each part stand in one part, and its route has both.
    let [a, b] = [0, 1].map(|i| rows[3]["threads"][i].as_str().unwrap().to_owned());
    let (_, job) = server.get(&format!("/api/v1/jobs/{a}")).await;
    assert_eq!((job["members"][0]["id"].as_str(), job["place"].as_i64()), (Some(b.as_str()), Some(4)));
    let (_, route) = server.get(&format!("/api/v1/jobs/{b}/route")).await;
    let threads =
        |r: &Value| r["said"]["setups"].as_array().unwrap().iter().flat_map(|s| s["ops"].as_array().unwrap()).filter(|o| o["kind"] == "thread").count();
    assert_eq!((threads(&route), route["jobs"].as_array().unwrap().len()), (2, 2), "{route}");
    // Two set-ups: each part complete sets their stops and jaws for every part, each chucking on all once.
    let order = |across: &str| batch["orders"].as_array().unwrap().iter().find(|o| o["across"] == across).unwrap()["minutes"].as_f64().unwrap();
    assert!(order("each_part") > order("each_chucking") + 10.0, "{}", batch["orders"]);
    // One end proven is no good part; both are. The second's other end is spoilt.
    let first_two: Vec<Vec<String>> =
        rows[..2].iter().map(|r| r["threads"].as_array().unwrap().iter().map(|t| t.as_str().unwrap().to_owned()).collect()).collect();
    cut(&server, &first_two[0][0], 10.75).await;
    assert_eq!(server.get(&path).await.1["tally"]["good"], 0);
    let next = server.get(&path).await.1["next"].clone();
    assert_eq!((next["job"].as_str(), next["place"].as_i64()), (Some(first_two[0][1].as_str()), Some(1)), "{next}");
    cut(&server, &first_two[0][1], 10.76).await;
    assert_eq!(server.get(&path).await.1["tally"]["good"], 1);
    cut(&server, &first_two[1][0], 10.75).await;
    act(&server, &first_two[1][1], "s", json!({"kind": "scrapped", "why": "ran into the shoulder"})).await;
    let (_, batch) = server.get(&path).await;
    assert_eq!((batch["tally"]["scrapped"].as_i64(), batch["next"]["place"].as_i64()), (Some(1), Some(3)), "{batch}");
    assert_eq!(batch["tally"]["rows"][1]["job"], first_two[1][1].as_str());
    let (status, again) = server.post(&format!("/api/v1/jobs/{}/batch/again", first_two[1][1]), Value::Null).await;
    assert_eq!((status, again["members"].as_array().unwrap().len()), (StatusCode::CREATED, 1), "{again}");
    // Anew it has both ends to cut again, in its place; the spoilt one is not begun a second time.
    let (_, batch) = server.get(&path).await;
    let rows = batch["tally"]["rows"].as_array().unwrap();
    assert_eq!((rows.len(), rows[2]["place"].as_i64(), batch["next"]["place"].as_i64()), (7, Some(2), Some(2)), "{batch}");
    assert!(rows[2]["threads"].as_array().unwrap().iter().all(|t| t.is_string() && t != &json!(first_two[1][0])));
    assert_eq!(server.post(&format!("/api/v1/jobs/{}/batch/again", first_two[1][0]), Value::Null).await.0, StatusCode::CONFLICT);
    // A thread added to one is added to all that stand.
    let (status, _) = server.post(&format!("/api/v1/jobs/{right}/members"), json!({"callout": "M6"})).await;
    assert_eq!(status, StatusCode::CREATED);
    let (_, batch) = server.get(&path).await;
    let three =
        batch["tally"]["rows"].as_array().unwrap().iter().filter(|r| r["threads"].as_array().unwrap().iter().filter(|t| t.is_string()).count() == 3).count();
    assert!(three == 6, "{}", batch["tally"]["rows"]);
    // What goes out in a file comes in with its kin.
    let (_, file) = server.get("/api/v1/shop.json").await;
    let other = tempfile::tempdir().unwrap();
    let there = Server::start(other.path(), &[]);
    let (status, taken) = there.post("/api/v1/shop.json", file).await;
    assert_eq!(status, StatusCode::OK, "{taken}");
    assert_eq!(there.get(&path).await.1["tally"]["rows"], batch["tally"]["rows"]);
}
