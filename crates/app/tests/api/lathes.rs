//! A lathe told by answers, and a drawer a thing a line, over HTTP.

use crate::common::{Server, run};
use reqwest::Method;
use serde_json::{Value, json};

#[tokio::test]
async fn an_answer_sets_its_fields_under_the_revision_it_was_made_from() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path(), &[]);
    let (_, made) = server.post("/api/v1/lathes", json!({"name": "Quay lathe"})).await;
    assert_eq!((&made["id"], &made["said"]["asks"][0]["ask"]), (&json!("quay-lathe"), &json!("screw")), "{made}");
    let answer = async |ask: &str, says: Value, revision: &str| {
        server.send(Method::PUT, &format!("/api/v1/lathes/quay-lathe/answers/{ask}"), json!({"says": says}), &[("If-Match", revision)]).await
    };
    let (status, told) = answer("screw", json!("8 TPI"), "1").await;
    assert_eq!((status.as_u16(), &told["revision"], &told["profile"]["leadscrew"]), (200, &json!(2), &json!({"tpi": "8/1"})), "{told}");
    // Made from an older one it is not taken, and the lathe as it stands comes back.
    let (status, stale) = answer("dial", json!("none"), "1").await;
    assert_eq!((status.as_u16(), &stale["current"]["revision"]), (409, &json!(2)), "{stale}");
    // Having none is kept as none, and goes out and comes in so.
    let (_, told) = answer("dial", json!("none"), "2").await;
    assert!(told["profile"].as_object().unwrap().get("dial").is_some_and(Value::is_null), "{told}");
    let measured = json!({"fixed_ratio": "2/3", "sources": {"fixed_ratio": "trial"}});
    let (status, told) = server.send(Method::PATCH, "/api/v1/lathes/quay-lathe", measured, &[("If-Match", "3")]).await;
    assert_eq!((status.as_u16(), &told["profile"]["sources"]), (200, &json!({"fixed_ratio": "trial"})), "{told}");
    let file = server.get("/api/v1/shop.json").await.1;
    let elsewhere = tempfile::tempdir().unwrap();
    let other = Server::start(elsewhere.path(), &[]);
    assert!(other.post("/api/v1/shop.json", file).await.0.is_success());
    assert_eq!(other.get("/api/v1/lathes/quay-lathe").await.1, server.get("/api/v1/lathes/quay-lathe").await.1);
    // What does not read, or is sound in itself and not on a lathe, sets nothing and says what would be right.
    for (ask, says, pointer) in [
        ("screw", json!("eight"), "/says"),
        ("gears", json!("20-63/5"), "/gears"),
        ("cross_slide", json!("0.001 in, 0.1005 in"), "/cross_slide/per_turn"),
        ("chuck", json!(7), "/says"),
    ] {
        let (status, problem) = answer(ask, says, "4").await;
        assert_eq!((status.as_u16(), &problem["faults"][0]["pointer"]), (422, &json!(pointer)), "{problem}");
    }
    let (status, problem) = answer("colour", json!("green"), "4").await;
    assert!(status.is_client_error() && problem["detail"].is_string(), "{problem}");
    assert_eq!(server.get("/api/v1/lathes/quay-lathe/view").await.1["revision"], 4);
}

#[tokio::test]
async fn a_drawer_is_written_a_thing_a_line_and_the_rest_of_it_stands() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path(), &["--demo"]);
    let before = server.get("/api/v1/kit").await.1;
    let put = async |body: Value| server.send(Method::PUT, "/api/v1/kit/written", body, &[]).await;
    let (status, told) = put(json!({"drills": "letters"})).await;
    assert_eq!((status.as_u16(), told["drills"].as_str().unwrap().lines().count()), (200, 26), "{told}");
    let now = server.get("/api/v1/kit").await.1;
    assert_eq!((&now["wires_mm"], &now["bits"], &now["micrometers"]), (&before["wires_mm"], &before["bits"], &before["micrometers"]));
    assert!(now["drills_mm"].as_array().unwrap().iter().any(|d| (d.as_f64().unwrap() - 0.257 * 25.4).abs() < 1e-9));
    for (body, pointer) in [
        (json!({"drills": "oak"}), "/drills"),
        (json!({"wires": "letters"}), "/wires"),
        (json!({"micrometers": "Small"}), "/micrometers"),
        (json!({"wires": "400 mm"}), "/wires_mm/0"),
        (json!({"taps": ""}), "/taps"),
    ] {
        let (status, problem) = put(body).await;
        assert_eq!((status.as_u16(), &problem["faults"][0]["pointer"]), (422, &json!(pointer)), "{problem}");
    }
    assert_eq!(server.get("/api/v1/kit").await.1, now);
}

#[tokio::test]
async fn what_a_figure_came_from_is_there_after_a_copy_is_taken_back() {
    let (here, there) = (tempfile::tempdir().unwrap(), tempfile::tempdir().unwrap());
    let copy = here.path().join("copy.db");
    let kept = {
        let server = Server::start(here.path(), &[]);
        server.post("/api/v1/lathes", json!({"name": "Quay lathe"})).await;
        let told = json!({"fixed_ratio": "2/3", "dial": null, "mounted": {"drivers": [40], "driven": [80]}, "sources": {"fixed_ratio": "trial"}});
        assert_eq!(server.send(Method::PATCH, "/api/v1/lathes/quay-lathe", told, &[("If-Match", "1")]).await.0.as_u16(), 200);
        server.get("/api/v1/lathes/quay-lathe").await.1
    };
    assert_eq!((&kept["sources"], &kept["seen"][0]["hangs"]), (&json!({"fixed_ratio": "trial"}), &json!(true)), "{kept}");
    assert!(run(&["backup", copy.to_str().unwrap()], here.path()).status.success());
    assert!(run(&["restore", copy.to_str().unwrap()], there.path()).status.success());
    assert_eq!(Server::start(there.path(), &[]).get("/api/v1/lathes/quay-lathe").await.1, kept);
}

#[tokio::test]
async fn a_train_that_was_on_the_lathe_is_known_to_hang_there() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path(), &[]);
    server.post("/api/v1/lathes", json!({"profile": {"name": "Quay", "leadscrew": {"tpi": 4}, "gears": [40, 60, 65, 80, 100, 127]}})).await;
    let (_, job) = server.post("/api/v1/jobs", json!({"request": {"thread": {"callout": "M20x2.5-6g"}, "lathe_id": "quay"}})).await;
    let path = format!("/api/v1/jobs/{}", job["id"].as_str().unwrap());
    let train = |job: &Value| job["plan"]["gears"]["hung"]["train"].clone();
    assert_eq!((&train(&job)["fits"], &train(&job)["fit_basis"]), (&Value::Null, &json!("bench_rule")), "{}", train(&job));
    // The first pass says that its gears are on.
    let first = json!({"act": {"kind": "pass_done", "n": 1, "radial_mm": job["plan"]["cut"]["passes"][0]["radial_mm"]}, "happened": "2026-05-04T09:00:00+02:00", "seen": 0});
    let (status, told) = server.send(Method::PUT, &format!("{path}/acts/first"), first, &[]).await;
    assert!(status.is_success(), "{told}");
    let seen = server.get("/api/v1/lathes/quay").await.1["seen"].clone();
    assert_eq!((&seen[0]["drivers"], &seen[0]["hangs"]), (&train(&job)["drivers"], &json!(true)), "{seen}");
    let (_, next) = server.post("/api/v1/jobs", json!({"request": {"thread": {"callout": "M20x2.5-6g"}, "lathe_id": "quay"}})).await;
    assert_eq!((&train(&next)["fits"], &train(&next)["fit_basis"]), (&json!(true), &json!("seen")), "{}", train(&next));
}

#[tokio::test]
async fn materials_of_ones_own_stand_before_the_table_and_the_unknown_after_it() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path(), &[]);
    let own = json!({"materials": [{"name": "Rod W1", "like": "drill_rod", "kc1_n_mm2": 2300}]});
    assert_eq!(server.send(Method::PUT, "/api/v1/kit", own, &[]).await.0.as_u16(), 200);
    let list = server.get("/api/v1/materials").await.1;
    let codes: Vec<&str> = list.as_array().unwrap().iter().map(|m| m["code"].as_str().unwrap()).collect();
    assert_eq!((codes[0], codes[1], *codes.last().unwrap(), codes.len()), ("own_rod_w1", "mild_steel", "not_known", 20));
    assert_eq!((&list[0]["kc1_n_mm2"], &list[0]["family"]), (&json!(2300.0), &json!("steel")));
    let (status, job) = server.post("/api/v1/jobs", json!({"request": {"thread": {"callout": "M20"}, "blank": {"material": "own_rod_w1"}}})).await;
    assert!(status.is_success() && job["plan"]["assumptions"].to_string().contains("Rod W1"), "{job}");
    // Taken out of the drawer, the job is still planned, with care, and says so.
    server.send(Method::PUT, "/api/v1/kit", json!({}), &[]).await;
    let after = server.get(&format!("/api/v1/jobs/{}", job["id"].as_str().unwrap())).await.1;
    assert!(after["plan"]["watch"].as_array().unwrap().iter().any(|w| w["code"] == "material"), "{after}");
    let (status, tried) = server.post("/api/v1/materials/tried", json!({"magnet": "none", "spark": "white"})).await;
    assert_eq!((status.as_u16(), &tried["left"]), (200, &json!(["titanium"])), "{tried}");
    let (status, problem) = server.post("/api/v1/materials/tried", json!({"magnet": "perhaps", "smell": 1})).await;
    let at: Vec<&str> = problem["faults"].as_array().unwrap().iter().map(|f| f["pointer"].as_str().unwrap()).collect();
    assert_eq!((status.as_u16(), at), (422, vec!["/magnet", "/smell"]), "{problem}");
}

#[tokio::test]
async fn a_practice_bit_is_refused_by_its_field() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path(), &[]);
    let kit = json!({"bits": [{"name": "Practice", "kind": "external", "material": "soft_steel", "included_angle_deg": 60}]});
    server.send(Method::PUT, "/api/v1/kit", kit, &[]).await;
    let (_, job) = server.post("/api/v1/jobs", json!({"request": {"thread": {"callout": "M20"}}})).await;
    let path = format!("/api/v1/jobs/{}", job["id"].as_str().unwrap());
    let tool = &job["plan"]["bit"]["drawer"]["tools"][0];
    assert_eq!((&tool["soft"], &tool["serves"]), (&json!(true), &json!(false)), "{tool}");
    let (status, problem) = server.send(Method::PATCH, &path, json!({"request": {"bit": {"owned": "Practice"}}}), &[("If-Match", "1")]).await;
    assert_eq!((status.as_u16(), problem["faults"][0]["pointer"].as_str().unwrap()), (422, "/bit/owned"), "{problem}");
    assert!(server.get(&path).await.1["request"]["bit"]["owned"].is_null());
}
