//! A lathe told by answers, and a drawer a thing a line, over HTTP.

use crate::common::Server;
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
