//! What is stored is read whole or said not to read; the facts and the frozen plan are one, whatever races whatever.

use crate::common::{Server, prove};
use reqwest::{Method, StatusCode};
use serde_json::{Value, json};
use std::path::Path;

/// Changes the database of a server that is not running.
fn changed(folder: &Path, sql: &str) {
    let connection = rusqlite::Connection::open(folder.join("yoke-turn.db")).unwrap();
    connection.execute_batch(sql).unwrap();
}

async fn act(server: &Server, job: &str, id: &str, body: Value) -> (StatusCode, Value) {
    server.send(Method::PUT, &format!("/api/v1/jobs/{job}/acts/{id}"), body, &[]).await
}

async fn made(server: &Server, callout: &str) -> String {
    let (status, job) = server.post("/api/v1/jobs", json!({"callout": callout, "lathe_id": "long-bed"})).await;
    assert_eq!(status, StatusCode::CREATED, "{job}");
    job["id"].as_str().unwrap().to_owned()
}

async fn patched(server: &Server, path: &str, revision: &Value, body: Value) -> (StatusCode, Value) {
    server.send(Method::PATCH, path, body, &[("If-Match", &revision.to_string())]).await
}

#[tokio::test]
async fn an_act_that_does_not_read_stops_its_job_and_no_other_and_is_never_left_out_of_the_fold() {
    let folder = tempfile::tempdir().unwrap();
    let rod = "/api/v1/jobs/footbridge-tie-rod";
    let before = {
        let server = Server::start(folder.path(), &["--demo"]);
        let (status, _) = act(&server, "footbridge-tie-rod", "stands", json!({"act": {"kind": "stands_at", "reading": 0.0415}})).await;
        assert_eq!(status, StatusCode::OK);
        server.get(rod).await.1
    };
    // As a later version might write it: a field more.
    changed(folder.path(), "UPDATE acts SET body = '{\"kind\":\"stands_at\",\"reading\":0.0415,\"axis\":\"cross\"}' WHERE id = 'stands'");
    let server = Server::start(folder.path(), &["--demo"]);
    let (status, answer) = server.get(rod).await;
    assert_eq!((status, &answer["type"]), (StatusCode::CONFLICT, &json!("/problems/unread")));
    let says = answer["detail"].as_str().unwrap();
    for part in ["Act 9", "Footbridge tie rod", "stands_at", "axis", "newer version", "yoke-turn restore"] {
        assert!(says.contains(part), "{part} in: {says}");
    }
    // Nothing is told on top of it, and nothing is changed.
    let (status, _) = act(&server, "footbridge-tie-rod", "next", json!({"act": {"kind": "pass_done", "n": 9, "radial_mm": 1.0}})).await;
    assert_eq!(status, StatusCode::CONFLICT);
    for sheet in ["log", "log.csv", "trouble"] {
        assert_eq!(server.get(&format!("{rod}/{sheet}")).await.0, StatusCode::CONFLICT, "{sheet}");
    }
    let (_, board) = server.get("/api/v1/jobs").await;
    let line = |id: &str| board.as_array().unwrap().iter().find(|l| l["id"] == id).cloned().unwrap();
    assert_eq!(line("footbridge-tie-rod")["stands"], "does not read");
    assert!(line("footbridge-tie-rod")["unread"].as_str().unwrap().contains("Act 9"));
    assert_eq!((&line("mill-bearing-stud")["unread"], server.get("/api/v1/jobs/mill-bearing-stud").await.0), (&Value::Null, StatusCode::OK));
    assert_eq!(server.get("/api/v1/day").await.0, StatusCode::OK);
    drop(server);
    // Mended, it is all there as it was.
    changed(folder.path(), "UPDATE acts SET body = '{\"kind\":\"stands_at\",\"reading\":0.0415}' WHERE id = 'stands'");
    let server = Server::start(folder.path(), &["--demo"]);
    assert_eq!(server.get(rod).await.1["run"], before["run"]);
}

#[tokio::test]
async fn nothing_stands_in_for_a_drawer_or_a_lathe_that_does_not_read_and_what_a_newer_version_told_is_carried_through() {
    let folder = tempfile::tempdir().unwrap();
    let stud = "/api/v1/jobs/mill-bearing-stud";
    drop(Server::start(folder.path(), &["--demo"]));
    changed(folder.path(), "UPDATE kit SET body = '{\"wires_mm\":\"many\"}'; UPDATE lathes SET body = '{\"name\":' WHERE id = 'bench'");
    {
        let server = Server::start(folder.path(), &["--demo"]);
        let (status, answer) = server.get(stud).await;
        assert_eq!(status, StatusCode::CONFLICT);
        assert!(answer["detail"].as_str().unwrap().contains("The drawer does not read: at /wires_mm"), "{answer}");
        // One begun is on the drawer it was begun with.
        assert_eq!(server.get("/api/v1/jobs/footbridge-tie-rod").await.0, StatusCode::OK);
        assert_eq!(server.get("/api/v1/lathes/bench").await.0, StatusCode::CONFLICT);
        assert_eq!(server.get("/api/v1/kit").await.0, StatusCode::CONFLICT);
        // The way out of the one: told again, whole.
        let (status, _) = server.send(Method::PUT, "/api/v1/kit", json!({"wires_mm": [1.35]}), &[]).await;
        assert_eq!((status, server.get(stud).await.0), (StatusCode::OK, StatusCode::OK));
    }
    changed(folder.path(), "DELETE FROM lathes WHERE id = 'bench'");
    // Fields of a newer version: kept through every change, said in the plan, and open in its check.
    changed(
        folder.path(),
        "UPDATE kit SET body = json_set(body, '$.rings', json('[20]'));
         UPDATE lathes SET body = json_set(body, '$.headstock', json('{\"taper\":\"5\"}')) WHERE id = 'gap-bed';
         UPDATE jobs SET request = json_set(request, '$.blank.colour', 'blue') WHERE id = 'mill-bearing-stud'",
    );
    let server = Server::start(folder.path(), &["--demo"]);
    let (status, job) = server.get(stud).await;
    assert_eq!(status, StatusCode::OK, "{job}");
    let said: Vec<&str> =
        job["plan"]["watch"].as_array().unwrap().iter().filter(|w| w["code"] == "newer_fields").map(|w| w["text"].as_str().unwrap()).collect();
    for field in ["/rings", "/headstock", "/blank/colour"] {
        assert!(said.iter().any(|s| s.contains(field)), "{field} in {said:?}");
    }
    let open = job["plan"]["check"]["lines"].as_array().unwrap().iter().any(|l| l["code"] == "newer_fields" && l["state"] == "unknown");
    assert!(open, "the check leaves it open");
    let (status, job) = patched(&server, stud, &job["revision"], json!({"request": {"blank": {"material": "brass"}}})).await;
    assert_eq!((status, &job["request"]["blank"]["colour"]), (StatusCode::OK, &json!("blue")), "{job}");
    let (_, lathe) = server.get("/api/v1/lathes/gap-bed/view").await;
    let (status, lathe) = patched(&server, "/api/v1/lathes/gap-bed", &lathe["revision"], json!({"name": "Gap bed, painted"})).await;
    assert_eq!((status, &lathe["profile"]["headstock"]["taper"]), (StatusCode::OK, &json!("5")), "{lathe}");
    server.send(Method::PUT, "/api/v1/kit", json!({"wires_mm": [1.45]}), &[]).await;
    let (_, shop) = server.get("/api/v1/shop.json").await;
    assert_eq!((&shop["kit"]["rings"], &shop["kit"]["wires_mm"]), (&json!([20]), &json!([1.45])));
    // By file into another shop, too.
    let there = tempfile::tempdir().unwrap();
    let other = Server::start(there.path(), &[]);
    let (status, taken) = other.post("/api/v1/shop.json", shop.clone()).await;
    assert_eq!(status, StatusCode::OK, "{taken}");
    let (_, again) = other.get("/api/v1/shop.json").await;
    assert_eq!((&again["kit"], &again["lathes"]), (&shop["kit"], &shop["lathes"]));
    // What is sent is another matter: a field that is not known is refused by name.
    let (status, answer) = patched(&server, stud, &server.get(stud).await.1["revision"], json!({"request": {"blank": {"color": "red"}}})).await;
    assert_eq!((status, &answer["faults"][0]["pointer"]), (StatusCode::UNPROCESSABLE_ENTITY, &json!("/blank/color")), "{answer}");
}

#[tokio::test]
async fn an_act_from_a_screen_of_older_facts_is_refused_and_nothing_is_frozen() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path(), &["--demo"]);
    let id = made(&server, "M20x2.5").await;
    let path = format!("/api/v1/jobs/{id}");
    let (_, seen) = server.get(&path).await;
    let pass = |revision: &Value| json!({"act": {"kind": "pass_done", "n": 0, "radial_mm": 0.05}, "revision": revision, "seen": 0});
    let overtaken = async |why: &str, seen: &Value| {
        let (status, answer) = act(&server, &id, why, pass(&seen["revision"])).await;
        assert_eq!(
            (status, &answer["type"], &answer["current"]["frozen"]),
            (StatusCode::CONFLICT, &json!("/problems/stale"), &json!(false)),
            "{why}: {answer}"
        );
        answer["current"].clone()
    };
    // Its own facts; its lathe; the drawer.
    patched(&server, &path, &seen["revision"], json!({"request": {"thread": {"callout": "M12x1.75"}}})).await;
    let now = overtaken("facts", &seen).await;
    assert_eq!(now["plan"]["thread"]["name"], "M12×1.75-6g");
    let (_, lathe) = server.get("/api/v1/lathes/long-bed/view").await;
    patched(&server, "/api/v1/lathes/long-bed", &lathe["revision"], json!({"cross_slide": {"graduation": 0.002}})).await;
    let now = overtaken("lathe", &now).await;
    server.send(Method::PUT, "/api/v1/kit", json!({"wires_mm": [1.0]}), &[]).await;
    let now = overtaken("drawer", &now).await;
    // A title is no fact; and a revision not seen yet is not believed.
    let (_, renamed) = patched(&server, &path, &now["revision"], json!({"title": "Stud"})).await;
    assert_eq!(act(&server, &id, "ahead", pass(&json!(999))).await.0, StatusCode::CONFLICT);
    let (status, begun) = act(&server, &id, "first", pass(&now["revision"])).await;
    assert_eq!((status, &begun["frozen"], &begun["title"]), (StatusCode::OK, &json!(true), &json!("Stud")), "{begun}");
    assert_eq!(
        act(&server, &id, "older", json!({"act": {"kind": "pass_done", "n": 1, "radial_mm": 0.1}, "revision": seen["revision"]})).await.0,
        StatusCode::CONFLICT
    );
    assert_eq!(act(&server, &id, "untold", json!({"act": {"kind": "pass_done", "n": 1, "radial_mm": 0.1}})).await.0, StatusCode::OK);
    assert_eq!(
        act(&server, &id, "second", json!({"act": {"kind": "pass_done", "n": 2, "radial_mm": 0.2}, "revision": renamed["revision"]})).await.0,
        StatusCode::OK
    );
    // The nut's plan moves with what its screw is made to.
    let screw = "/api/v1/jobs/paddle-screw-and-nut";
    let (_, pair) = server.get(screw).await;
    let nut = pair["members"][0]["id"].as_str().unwrap().to_owned();
    let (_, nut_seen) = server.get(&format!("/api/v1/jobs/{nut}")).await;
    act(&server, "paddle-screw-and-nut", "read", json!({"act": {"kind": "measured", "pitch_diameter_mm": 28.9}})).await;
    assert_eq!(act(&server, &nut, "n", pass(&nut_seen["revision"])).await.0, StatusCode::CONFLICT);
}

#[tokio::test]
async fn once_begun_everything_speaks_of_the_plan_it_was_begun_on() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path(), &["--demo"]);
    let id = made(&server, "M16x2").await;
    let path = format!("/api/v1/jobs/{id}");
    act(&server, &id, "first", json!({"act": {"kind": "pass_done", "n": 0, "radial_mm": 0.05}})).await;
    let sheets = ["paper", "setup", "bit", "groove", "gauge", "route"];
    let mut before = Vec::new();
    for sheet in sheets {
        before.push(server.get(&format!("{path}/{sheet}")).await.1);
    }
    // The lathe is told otherwise, its gears come off, the drawer is emptied.
    let (_, lathe) = server.get("/api/v1/lathes/long-bed/view").await;
    let other = json!({"cross_slide": {"graduation": 0.02, "unit": "mm", "per_turn": 2}, "mounted": {"drivers": [24], "driven": [100]}, "speeds_rpm": [400]});
    patched(&server, "/api/v1/lathes/long-bed", &lathe["revision"], other).await;
    server.send(Method::PUT, "/api/v1/kit", json!({}), &[]).await;
    for (sheet, before) in sheets.iter().zip(before) {
        assert_eq!(server.get(&format!("{path}/{sheet}")).await.1, before, "{sheet}");
    }
    // What moves no depth may still be told, and is shown as told since; nothing else.
    let (_, job) = server.get(&path).await;
    let (status, later) = patched(&server, &path, &job["revision"], json!({"request": {"blank": {"beyond_mm": 31}, "gauge": {"mate_at_hand": true}}})).await;
    assert_eq!((status, &later["plan"]), (StatusCode::OK, &job["plan"]));
    assert_eq!(later["changed_since"], json!(["/blank/beyond_mm", "/gauge/mate_at_hand"]));
    for deep in [
        json!({"thread": {"callout": "M20"}}),
        json!({"bit": {"tip_flat_mm": 0.2}}),
        json!({"lathe_id": "bench"}),
        json!({"blank": {"beyond_mm": 3, "shoulder": true}}),
    ] {
        let (status, answer) = patched(&server, &path, &later["revision"], json!({"request": deep})).await;
        assert_eq!((status, &answer["type"]), (StatusCode::CONFLICT, &json!("/problems/begun")), "{deep}");
    }
    assert_eq!(server.get(&path).await.1["request"], later["request"]);
}

#[tokio::test]
async fn the_bench_pad_is_worked_after_the_first_pass_too_and_feeds_nothing_of_the_plan() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path(), &["--demo"]);
    let id = made(&server, "M16x2").await;
    let path = format!("/api/v1/jobs/{id}");
    act(&server, &id, "first", json!({"act": {"kind": "pass_done", "n": 0, "radial_mm": 0.05}})).await;
    let (_, job) = server.get(&path).await;
    assert!(job["pad"].is_null());
    // Half of the difference of two readings: 0.41 by hand. It would feed the blank, which no blank of M16 can be, and does not.
    let sum = json!({"name": "off", "kind": "half_difference", "figures": [{"value": 25.82}, {"value": 25.0}], "feeds": "blank_diameter"});
    let (status, later) = patched(&server, &path, &job["revision"], json!({"request": {"pad": [sum]}})).await;
    assert!(status == StatusCode::OK && later["plan"] == job["plan"] && later["run"] == job["run"], "{}", later["detail"]);
    let line = &later["pad"]["lines"][0];
    assert!((line["result"]["value"].as_f64().unwrap() - 0.41).abs() < 1e-9 && line["feeds"].is_null(), "{line}");
    let working = usize::try_from(line["result"]["w"].as_u64().unwrap()).unwrap();
    assert!((later["pad"]["workings"][working]["gives"].as_f64().unwrap() - 0.41).abs() < 1e-9);
    assert_eq!(later["changed_since"], json!(["/pad"]));
    // What does not work is named, and nothing of it is kept.
    for (bad, at) in [
        (json!({"pad": [{"name": "off", "kind": "half_difference", "figures": [{"value": 25.82}]}]}), "/pad/0/figures"),
        (json!({"pad": [{"name": "", "kind": "half_difference", "figures": [{"value": 1}, {"value": 2}]}]}), "/pad/0/name"),
        (json!({"blank": {"beyond_mm": "far"}}), "/blank/beyond_mm"),
    ] {
        let (status, answer) = patched(&server, &path, &later["revision"], json!({ "request": bad })).await;
        assert_eq!((status, &answer["faults"][0]["pointer"]), (StatusCode::UNPROCESSABLE_ENTITY, &json!(at)), "{answer}");
    }
    let (_, inches) = server.get(&format!("{path}?unit=in")).await;
    assert_eq!(inches["pad"]["lines"][0]["result"]["text"], "0.0161 in");
}

#[tokio::test]
async fn a_plan_of_another_engine_is_never_mixed_with_what_this_one_reckons_otherwise() {
    let folder = tempfile::tempdir().unwrap();
    let rod = "/api/v1/jobs/footbridge-tie-rod";
    drop(Server::start(folder.path(), &["--demo"]));
    changed(folder.path(), "UPDATE jobs SET frozen_engine = '0.0.9' WHERE id = 'footbridge-tie-rod'");
    let before = {
        let server = Server::start(folder.path(), &["--demo"]);
        let (_, job) = server.get(rod).await;
        assert!(
            job["frozen_by"].as_str().unwrap().contains("version 0.0.9") && job["frozen_by"].as_str().unwrap().contains("the same"),
            "{}",
            job["frozen_by"]
        );
        // It reckons the same: what is printed says so.
        let (status, paper) = server.get(&format!("{rod}/paper")).await;
        assert_eq!(status, StatusCode::OK);
        assert!(paper["watch"].as_array().unwrap().iter().any(|w| w == &job["frozen_by"]), "{paper}");
        assert!(server.get("/api/v1/jobs/mill-bearing-stud").await.1["frozen_by"].is_null());
        job
    };
    // A tenth deeper by the older one: nothing of today's stands beside its passes, which go on.
    changed(folder.path(), "UPDATE jobs SET frozen_run = json_set(frozen_run, '$.target_mm', json_extract(frozen_run, '$.target_mm') - 0.1)");
    let server = Server::start(folder.path(), &["--demo"]);
    for sheet in ["paper", "setup", "groove", "gauge", "trouble", "thread"] {
        let (status, answer) = server.get(&format!("{rod}/{sheet}")).await;
        assert_eq!(status, StatusCode::UNPROCESSABLE_ENTITY, "{sheet}");
        assert!(answer["detail"].as_str().unwrap().contains("reckons it otherwise"), "{sheet}: {answer}");
    }
    let (_, job) = server.get(rod).await;
    assert!(job["frozen_by"].as_str().unwrap().contains("reckons it otherwise"));
    assert_eq!((&job["plan"], &job["run"]["passes_done"]), (&before["plan"], &before["run"]["passes_done"]));
    assert_eq!(server.get(&format!("{rod}/log")).await.0, StatusCode::OK);
    let (_, board) = server.get("/api/v1/jobs").await;
    let line = board.as_array().unwrap().iter().find(|l| l["id"] == "footbridge-tie-rod").unwrap();
    assert!(line["stands"].as_str().unwrap().contains("passes cut") && line["shows"].is_null(), "{line}");
    assert_eq!(server.get(&format!("{rod}/route")).await.0, StatusCode::OK);
}

#[tokio::test]
async fn every_fault_of_an_act_is_told_at_once() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path(), &["--demo"]);
    for (sent, wanted) in [
        (json!({"kind": "bit_changed", "why": "melted", "tip_flat_mm": "x", "more": 1}), "/act/more /act/tip_flat_mm /act/why /seen"),
        (json!({"kind": "tried", "turns": "two"}), "/act/fit /act/turns /seen"),
        (json!({"kind": "ticked", "noted": 5}), "/act/noted /act/stamp /act/step /seen"),
        (json!({"kind": "trouble"}), "/act/cause /act/found /act/symptom /seen"),
        (json!({"kind": "pass_undone"}), "/act/kind /seen"),
        (json!({"n": 4}), "/act/kind /seen"),
        (json!({"kind": "measured", "over_wires_mm": "wide", "balls": -1}), "/act/balls /act/over_wires_mm /seen"),
        (json!(["note"]), "/act /seen"),
    ] {
        let (status, answer) = act(&server, "mill-bearing-stud", "one", json!({"act": sent, "seen": "all"})).await;
        let mut pointers: Vec<&str> = answer["faults"].as_array().unwrap().iter().map(|f| f["pointer"].as_str().unwrap()).collect();
        pointers.sort_unstable();
        assert_eq!((status, pointers.join(" ").as_str()), (StatusCode::UNPROCESSABLE_ENTITY, wanted), "{sent}: {answer}");
    }
    // Of one that is stored, too.
    let (status, _) = act(&server, "mill-bearing-stud", "kept", json!({"act": {"kind": "note", "text": "sound"}})).await;
    assert_eq!(status, StatusCode::OK);
    drop(server);
    changed(folder.path(), "UPDATE acts SET body = '{\"kind\":\"note\",\"text\":7,\"hand\":\"left\"}' WHERE id = 'kept'");
    let server = Server::start(folder.path(), &["--demo"]);
    let (_, answer) = server.get("/api/v1/jobs/mill-bearing-stud").await;
    let says = answer["detail"].as_str().unwrap();
    assert!(says.contains("at /text") && says.contains("at /hand"), "{says}");
}

/// The name of the thread a request asks for.
fn asked(request: &Value) -> String {
    request["thread"]["callout"].as_str().unwrap().replace('x', "×")
}

#[tokio::test(flavor = "multi_thread", worker_threads = 4)]
async fn facts_changed_against_the_first_pass_never_end_apart_from_the_plan() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path(), &["--demo"]);
    let (mut changed, mut begun) = (0, 0);
    for i in 0..prove(150) {
        let id = made(&server, "M12x1.75").await;
        let path = format!("/api/v1/jobs/{id}");
        let seen = json!(1);
        let change = async {
            tokio::time::sleep(std::time::Duration::from_micros(u64::from(i % 12) * 500)).await;
            patched(&server, &path, &seen, json!({"request": {"thread": {"callout": "M20x2.5"}}})).await.0
        };
        // Half of them tell which facts they saw.
        let mut first = json!({"act": {"kind": "pass_done", "n": 0, "radial_mm": 0.05}});
        if i % 2 == 0 {
            first["revision"] = seen.clone();
        }
        let (changed_as, (began_as, answer)) = tokio::join!(change, act(&server, &id, "first", first));
        let (_, job) = server.get(&path).await;
        if job["frozen"] == true {
            begun += 1;
            let plan = job["plan"]["thread"]["name"].as_str().unwrap();
            assert!(plan.starts_with(&asked(&job["request"])), "{plan} and {}", asked(&job["request"]));
            let (_, paper) = server.get(&format!("{path}/paper")).await;
            assert!(paper.to_string().contains(plan));
        } else {
            assert_eq!(began_as, StatusCode::CONFLICT, "{answer}");
        }
        changed += u32::from(changed_as == StatusCode::OK);
        let kept = server.get("/api/v1/shop.json").await.1["jobs"].as_array().unwrap().iter().find(|j| j["id"] == id).cloned().unwrap();
        assert_eq!(kept["acts"].as_array().unwrap().len(), usize::from(began_as == StatusCode::OK));
    }
    println!("{} races: {changed} facts changed, {begun} cuts begun", prove(150));
}

#[tokio::test(flavor = "multi_thread", worker_threads = 4)]
async fn pressed_twice_a_batch_has_its_parts_a_part_is_begun_again_once_and_a_job_is_one() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path(), &["--demo"]);
    for _ in 0..prove(40) {
        let id = made(&server, "M16x2").await;
        let path = format!("/api/v1/jobs/{id}/batch");
        let twice = [json!({"parts": 4}), json!({"parts": 4})].map(|b| server.post(&path, b));
        let [a, b] = twice;
        let (a, b) = tokio::join!(a, b);
        let mut answers = [a.0.as_u16(), b.0.as_u16()];
        answers.sort_unstable();
        assert_eq!(answers, [201, 409]);
        let (_, batch) = server.get(&path).await;
        assert_eq!(batch["tally"]["rows"].as_array().unwrap().len(), 4);
        act(&server, &id, "s", json!({"act": {"kind": "scrapped", "why": "dug in"}})).await;
        let again = format!("{path}/again");
        let (a, b) = tokio::join!(server.post(&again, json!({})), server.post(&again, json!({})));
        let mut answers = [a.0.as_u16(), b.0.as_u16()];
        answers.sort_unstable();
        assert_eq!(answers, [201, 409]);
        // The same job sent twice, as by a double press.
        let new = json!({"callout": "M8", "lathe_id": "bench", "id": format!("{id}-twin")});
        let (a, b) = tokio::join!(server.post("/api/v1/jobs", new.clone()), server.post("/api/v1/jobs", new.clone()));
        assert_eq!((a.0, b.0, &a.1["id"]), (StatusCode::CREATED, StatusCode::CREATED, &b.1["id"]));
        let (status, _) = server.post("/api/v1/jobs", json!({"callout": "M10", "lathe_id": "bench", "id": format!("{id}-twin")})).await;
        assert_eq!(status, StatusCode::CONFLICT, "the id stands for another");
    }
    let (_, jobs) = server.get("/api/v1/jobs").await;
    let twins = jobs.as_array().unwrap().iter().filter(|j| j["id"].as_str().unwrap().ends_with("-twin")).count();
    assert_eq!(twins, prove(40) as usize);
}

#[tokio::test(flavor = "multi_thread", worker_threads = 4)]
async fn acts_racing_on_one_job_are_each_kept_once_and_in_one_order() {
    let folder = tempfile::tempdir().unwrap();
    let server = std::sync::Arc::new(Server::start(folder.path(), &["--demo"]));
    let id = made(&server, "M16x2").await;
    let each = prove(4000) / 8;
    let tellers: Vec<_> = (0..8)
        .map(|teller| {
            let (server, id) = (std::sync::Arc::clone(&server), id.clone());
            tokio::spawn(async move {
                for i in 0..each {
                    let told = if i % 3 == 0 {
                        json!({"kind": "note", "text": format!("{teller}-{i}")})
                    } else {
                        json!({"kind": "pass_done", "n": i % 9, "radial_mm": 0.01})
                    };
                    // Some are sent twice, as when an answer was lost on the way.
                    for _ in 0..1 + i % 2 {
                        assert_eq!(act(&server, &id, &format!("{teller}-{i}"), json!({"act": told})).await.0, StatusCode::OK);
                    }
                }
            })
        })
        .collect();
    for teller in tellers {
        teller.await.unwrap();
    }
    let (_, shop) = server.get(&format!("/api/v1/jobs/{id}/job.json")).await;
    let acts = shop["jobs"][0]["acts"].as_array().unwrap();
    assert_eq!(acts.len(), 8 * each as usize);
    assert!(acts.iter().zip(1..).all(|(a, n)| a["sequence"] == n));
    let ids: std::collections::BTreeSet<&str> = acts.iter().map(|a| a["id"].as_str().unwrap()).collect();
    assert_eq!(ids.len(), acts.len());
}

#[tokio::test]
async fn two_tablets_pressing_for_one_pass_cut_one_and_one_undone_may_be_cut_again() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path(), &["--demo"]);
    let rod = "footbridge-tie-rod";
    let (_, seen) = server.get("/api/v1/jobs/footbridge-tie-rod").await;
    let next = &seen["run"]["next"]["pass"];
    let press = |seen: i64| json!({"act": {"kind": "pass_done", "n": next["n"], "radial_mm": next["radial_mm"]}, "seen": seen});
    let sequence = seen["sequence"].as_i64().unwrap();
    let (_, one) = act(&server, rod, "one", press(sequence)).await;
    let (status, two) = act(&server, rod, "two", press(sequence)).await;
    assert_eq!((status, &two["sequence"], &two["run"]["passes_done"]), (StatusCode::OK, &one["sequence"], &one["run"]["passes_done"]));
    // One that had heard of it cuts it over; and one taken back may be cut again by whoever had not.
    act(&server, rod, "back", json!({"act": {"kind": "undone", "act": "one"}, "seen": sequence + 1})).await;
    let (status, again) = act(&server, rod, "again", press(sequence)).await;
    assert_eq!((status, &again["sequence"]), (StatusCode::OK, &json!(sequence + 3)));
}

#[tokio::test]
async fn a_job_is_renamed_copied_put_away_and_brought_back_with_nothing_of_it_lost() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path(), &["--demo"]);
    let path = "/api/v1/jobs/footbridge-tie-rod";
    let (_, job) = server.get(path).await;
    let (status, away) = patched(&server, path, &job["revision"], json!({"title": "Tie rod, north", "away": true})).await;
    assert_eq!((status, &away["title"], away["away"].is_string()), (StatusCode::OK, &json!("Tie rod, north"), true));
    let on = async |path: &str| server.get(path).await.1.as_array().unwrap().iter().any(|j| j["id"] == "footbridge-tie-rod");
    assert!(!on("/api/v1/jobs").await && on("/api/v1/jobs?away=true").await);
    assert!(!server.get("/api/v1/day").await.1.to_string().contains("Tie rod, north"));
    assert_eq!(server.get(path).await.1["run"], job["run"]);
    let (_, copy) = server.post("/api/v1/jobs", json!({"copy_of": "footbridge-tie-rod"})).await;
    assert_eq!((&copy["title"], &copy["frozen"], &copy["request"]), (&json!("Tie rod, north, copied"), &json!(false), &job["request"]));
    patched(&server, path, &away["revision"], json!({"away": false})).await;
    assert!(on("/api/v1/jobs").await);
    let (_, shop) = server.get("/api/v1/shop.json").await;
    assert_eq!(shop["jobs"].as_array().unwrap().iter().filter(|j| j["title"].as_str().unwrap().starts_with("Tie rod, north")).count(), 2);
}
