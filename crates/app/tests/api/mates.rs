//! The mate, the sample and the proof over HTTP on a real database: a member finished by numbers, what met first, laid on, back in the lathe,
//! a figure of one's own.

use crate::common::Server;
use reqwest::{Method, StatusCode};
use serde_json::{Value, json};

async fn made(server: &Server, title: &str, request: Value) -> String {
    let (status, job) = server.post("/api/v1/jobs", json!({"title": title, "request": request})).await;
    assert_eq!(status, StatusCode::CREATED, "{job}");
    job["id"].as_str().unwrap().to_owned()
}

/// Tells an act; the job as it then is.
async fn act(server: &Server, id: &str, name: &str, act: Value) -> Value {
    let (status, job) = server.send(Method::PUT, &format!("/api/v1/jobs/{id}/acts/{name}"), json!({"act": act}), &[]).await;
    assert_eq!(status, StatusCode::OK, "{job}");
    job
}

async fn all_passes(server: &Server, id: &str) -> Value {
    passes_to(server, id, 100.0).await
}

/// Cuts the passes of a plan that are no deeper than so much.
async fn passes_to(server: &Server, id: &str, deep: f64) -> Value {
    let (_, job) = server.get(&format!("/api/v1/jobs/{id}")).await;
    for pass in job["plan"]["run"]["passes"].as_array().unwrap().iter().filter(|p| p["radial_mm"].as_f64().unwrap() <= deep) {
        act(server, id, &format!("p{}", pass["n"]), json!({"kind": "pass_done", "n": pass["n"], "radial_mm": pass["radial_mm"]})).await;
    }
    job
}

#[tokio::test]
async fn a_nut_finished_by_numbers_tells_its_screw_what_it_came_to_and_how_doubtful_that_is() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path(), &["--demo"]);
    let nut = made(
        &server,
        "Gland nut",
        json!({"thread": {"callout": "M30x2-6H", "length_mm": 20}, "lathe_id": "gap-bed", "bit": {"included_angle_deg": 60, "tip_flat_mm": 0.2}, "mate": {"school": "external_first"}}),
    )
    .await;
    let (_, screw) = server.send(Method::POST, &format!("/api/v1/jobs/{nut}/members"), json!({"mate": true}), &[]).await;
    let screw = screw["id"].as_str().unwrap().to_owned();
    let begun = all_passes(&server, &nut).await;
    let aim = begun["plan"]["run"]["target_mm"].as_f64().unwrap();
    // Cut, and not yet said to be done with: the screw knows nothing of it.
    let pair = async || server.get(&format!("/api/v1/jobs/{screw}")).await.1["plan"]["pair"].clone();
    assert!(pair().await["mate_made_mm"].is_null());
    let closed = act(&server, &nut, "done", json!({"kind": "finished"})).await;
    assert!(closed["run"]["says"].as_str().unwrap().contains("nothing proved it"), "{}", closed["run"]["says"]);
    // The school wanted the screw first; the nut was made first, so the screw follows it, and is to be tried.
    let followed = pair().await;
    let (came_to, doubt) = (followed["mate_made_mm"]["value"].as_f64().unwrap(), followed["mate_doubt_mm"]["value"].as_f64().unwrap());
    assert!((came_to - aim).abs() < 0.06 && doubt > 0.01, "{followed}");
    assert_eq!((followed["first"].as_bool(), followed["school"].as_str()), (Some(false), Some("external_first")));
    let (_, job) = server.get(&format!("/api/v1/jobs/{screw}")).await;
    let top = followed["limits_mm"][1]["value"].as_f64().unwrap();
    assert!(job["plan"]["run"]["must_try"] == true && job["plan"]["run"]["target_mm"].as_f64().unwrap() <= top + 1e-9);
    // A size read within what may fit proves nothing yet; the nut running free does, and the last word says so.
    let request = json!({"bit": {"included_angle_deg": 60, "tip_flat_mm": 0.25}});
    let revision = job["revision"].to_string();
    server.send(Method::PATCH, &format!("/api/v1/jobs/{screw}"), json!({"request": request}), &[("If-Match", &revision)]).await;
    let job = all_passes(&server, &screw).await;
    let read = act(&server, &screw, "m", json!({"kind": "measured", "pitch_diameter_mm": job["plan"]["run"]["target_mm"]})).await;
    assert!(read["run"]["finished"] == false && read["run"]["verdict"]["says"].as_str().unwrap().contains("never measured"), "{}", read["run"]["verdict"]);
    let tried = act(&server, &screw, "t", json!({"kind": "tried", "fit": "free"})).await;
    assert_eq!(tried["run"]["finished"], true);
    let done = act(&server, &screw, "d", json!({"kind": "finished"})).await;
    assert!(done["run"]["says"].as_str().unwrap().contains("Runs free"), "{}", done["run"]["says"]);
    // Measured after all, the doubt is gone where nothing was cut yet; here the screw's plan is frozen and stays.
    act(&server, &nut, "after", json!({"kind": "measured", "pitch_diameter_mm": aim})).await;
    assert_eq!(server.get(&format!("/api/v1/jobs/{screw}")).await.1["plan"]["run"]["must_try"], true);
}

#[tokio::test]
async fn what_met_first_says_nothing_of_the_size_and_a_place_kept_keeps_its_settings() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path(), &["--demo"]);
    let id = made(&server, "Stay", json!({"thread": {"callout": "M20x2.5-6g", "length_mm": 40}, "lathe_id": "gap-bed", "bit": {"included_angle_deg": 60, "tip_flat_mm": 0.3}, "blank": {"diameter_mm": 20.1}})).await;
    let (_, job) = server.get(&format!("/api/v1/jobs/{id}")).await;
    let full = job["plan"]["run"]["passes"].as_array().unwrap().last().unwrap()["radial_mm"].as_f64().unwrap();
    let job = passes_to(&server, &id, full - 0.12).await;
    let tip = |run: &Value| run["run"]["tip"].clone();
    let before = server.get(&format!("/api/v1/jobs/{id}")).await.1;
    let met = act(&server, &id, "met", json!({"kind": "tried", "fit": "enters", "turns": 4, "touched": "jaws"})).await;
    assert!(met["run"]["verdict"]["says"].as_str().unwrap().contains("met the jaws"), "{}", met["run"]["verdict"]);
    assert_eq!((tip(&met), met["run"]["schedule"].clone()), (tip(&before), before["run"]["schedule"].clone()), "nothing is learned of it");
    let (_, trouble) = server.get(&format!("/api/v1/jobs/{id}/trouble")).await;
    assert!(trouble["shown"].as_array().unwrap().iter().any(|c| c == "held_off"), "{trouble}");
    // Laid on, a tenth off: two tenths of a pitch diameter, so a cut of about that depth; told nothing of what met, that is asked first.
    let laid = act(&server, &id, "laid", json!({"kind": "tried", "fit": "laid_on", "stands_off_mm": 0.1, "touched": "nothing"})).await;
    let more = laid["run"]["verdict"]["next"]["radial_mm"].as_f64().unwrap() - laid["run"]["stands_mm"].as_f64().unwrap();
    assert!(more > 0.0 && laid["run"]["verdict"]["says"].as_str().unwrap().contains("stands off by 0.1"), "{}", laid["run"]["verdict"]);
    let (_, asked) = server.post("/api/v1/gauge", json!({"job": id, "readings": [{"fit": "wont_enter", "at_radial_mm": laid["run"]["stands_mm"]}]})).await;
    assert!(asked["says"].as_str().unwrap().starts_with("Where anything met"), "{asked}");
    for (reading, at) in [
        (json!({"fit": "laid_on"}), "/readings/0/stands_off_mm"),
        (json!({"fit": "free", "touched": "jaws"}), "/readings/0/touched"),
        (json!({"fit": "tight", "touched": "the cat"}), "/readings/0/touched"),
        (json!({"fit": "tight", "stands_off_mm": 0.1}), "/readings/0/stands_off_mm"),
    ] {
        let (status, problem) = server.post("/api/v1/gauge", json!({"job": id, "readings": [reading]})).await;
        assert_eq!((status, problem["faults"][0]["pointer"].as_str()), (StatusCode::UNPROCESSABLE_ENTITY, Some(at)), "{problem}");
    }
    // Out and back in the same slot: the same settings, after a pass that proves it. Gripped anew it is picked up.
    let kept = act(&server, &id, "out", json!({"kind": "rechucked", "back": "same_slot"})).await;
    let steps = |job: &Value| job["run"]["pick_up"].as_array().unwrap().iter().map(|s| s.as_str().unwrap().to_owned()).collect::<Vec<_>>().join(" ");
    assert!(steps(&kept).contains("same slot") && steps(&kept).contains("without cutting") && kept["run"]["stands_mm"] == laid["run"]["stands_mm"]);
    let anew = act(&server, &id, "out2", json!({"kind": "rechucked", "back": "another_place"})).await;
    assert!(steps(&anew).contains("a third of the lead") && steps(&anew).contains("run-out"), "{}", steps(&anew));
    // A size in its limits says that the outside was told a tenth over, before the mate is tried.
    let read = act(&server, &id, "m", json!({"kind": "measured", "pitch_diameter_mm": job["plan"]["run"]["target_mm"]})).await;
    let says = read["run"]["verdict"]["says"].as_str().unwrap();
    assert!(says.contains("dress the crests before the mate is tried") || !read["run"]["verdict"]["questions"].as_array().unwrap().is_empty(), "{says}");
}

#[tokio::test]
async fn a_figure_of_ones_own_is_tested_on_the_jobs_own_plan() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path(), &["--demo"]);
    let bit = json!({"included_angle_deg": 60, "tip_flat_mm": 0.3125});
    let cut = json!({"style": "modified_flank", "compound_angle_deg": 29.5});
    let id = made(&server, "Stay", json!({"thread": {"callout": "M20x2.5-6g"}, "lathe_id": "gap-bed", "bit": bit, "blank": {"diameter_mm": 19.9}, "cut": cut}))
        .await;
    let at = format!("/api/v1/jobs/{id}/own-figure");
    // Three quarters of the pitch, wound straight in: already divided by the cosine.
    let (_, job) = server.get(&format!("/api/v1/jobs/{id}")).await;
    let radial = job["plan"]["cut"]["radial_mm"]["value"].as_f64().unwrap();
    let (status, wrong) = server.post(&at, json!({"of": "radial", "figure": radial / 29.5_f64.to_radians().cos()})).await;
    assert_eq!((status, wrong["state"].as_str()), (StatusCode::OK, Some("bad")), "{wrong}");
    assert!(wrong["trap"].as_str().unwrap().contains("cosine"), "{wrong}");
    let (_, right) = server.post(&at, json!({"of": "radial", "figure": radial})).await;
    assert!(right["state"] == "good" && right["trap"].is_null(), "{right}");
    for (body, pointer) in
        [(json!({"of": "percent", "figure": 75}), "/of"), (json!({"of": "radial", "figure": -1}), "/figure"), (json!({"of": "guess"}), "/of")]
    {
        let (status, problem) = server.post(&at, body).await;
        assert_eq!((status, problem["faults"][0]["pointer"].as_str()), (StatusCode::UNPROCESSABLE_ENTITY, Some(pointer)), "{problem}");
    }
    // A tap made over its screw: thirteen hundredths tighter, no band of a table.
    let tap = made(
        &server,
        "Tap for the old nut",
        json!({"thread": {"callout": "M20x2.5"}, "lathe_id": "gap-bed", "gauge": {"original": {"over_wires_mm": 20.6, "wire_mm": 1.45, "clearance_mm": -0.13}}}),
    )
    .await;
    let (_, tap) = server.get(&format!("/api/v1/jobs/{tap}")).await;
    let run = &tap["plan"]["run"];
    // By hand: E = 20.6 − 4.35 + 2.16506 = 18.4151, and 0.13 over.
    assert!((run["target_mm"].as_f64().unwrap() - 18.5451).abs() < 0.006, "{}", run["target_mm"]);
    let band = run["limits_mm"][1].as_f64().unwrap() - run["limits_mm"][0].as_f64().unwrap();
    assert!(band > 0.02 && band < 0.08, "{band}");
}

#[tokio::test]
async fn the_second_end_is_the_same_again_and_a_plug_is_jobs_of_its_own() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path(), &["--demo"]);
    let special = json!({"major_mm": 27.3, "pitch_mm": 4.2, "included_angle_deg": 33, "minor_mm": 22.4});
    let id = made(
        &server,
        "Old vice screw",
        json!({"thread": {"special": special, "hand": "left", "length_mm": 50}, "lathe_id": "gap-bed", "bit": {"tip_flat_mm": 1.4}, "blank": {"diameter_mm": 27.2, "shoulder": true}}),
    )
    .await;
    let (status, end) = server.send(Method::POST, &format!("/api/v1/jobs/{id}/members"), json!({"same": true}), &[]).await;
    assert_eq!(status, StatusCode::CREATED, "{end}");
    let request = &end["request"];
    assert_eq!(
        (&request["thread"]["special"], request["thread"]["hand"].as_str(), request["bit"]["tip_flat_mm"].as_f64()),
        (&special, Some("left"), Some(1.4))
    );
    assert!(request["blank"]["diameter_mm"].is_null() && request["blank"]["shoulder"] == true && end["members"][0]["id"] == json!(id), "{request}");
    let (status, problem) = server.send(Method::POST, &format!("/api/v1/jobs/{id}/members"), json!({"same": true, "callout": "M8"}), &[]).await;
    assert_eq!((status, problem["faults"][0]["pointer"].as_str()), (StatusCode::UNPROCESSABLE_ENTITY, Some("/callout")));
    // The plug of a bore: its go end at the least the bore may be, its not-go end at the most, three turns long.
    let cap = "/api/v1/jobs/gauge-board-cap";
    let (_, bore) = server.get(cap).await;
    let (status, go) = server.send(Method::POST, &format!("{cap}/gauge-to-turn"), json!({}), &[]).await;
    assert_eq!((status, go["plan"]["thread"]["side"].as_str()), (StatusCode::CREATED, Some("external")), "{go}");
    let (_, not_go) = server.get(&format!("/api/v1/jobs/{}", go["members"][0]["id"].as_str().unwrap())).await;
    let size = |job: &Value| job["plan"]["run"]["target_mm"].as_f64().unwrap();
    let of = |at: &str| bore["plan"]["gauge"][at]["value"].as_f64().unwrap();
    assert!((size(&go) - of("min_mm")).abs() < 1e-6 && (size(&not_go) - of("max_mm")).abs() < 1e-6);
    assert!((not_go["request"]["thread"]["length_mm"].as_f64().unwrap() - 4.5).abs() < 1e-9, "three turns of 1.5");
    let (status, _) = server.send(Method::POST, "/api/v1/jobs/footbridge-tie-rod/gauge-to-turn", json!({}), &[]).await;
    assert_eq!(status, StatusCode::UNPROCESSABLE_ENTITY);
}

/// A test piece is a job of its own; what it found is offered to its part alone, taken over by a change of facts, and kept in the shop's file.
#[tokio::test]
async fn a_test_piece_tells_its_part_and_no_other() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path(), &["--demo"]);
    let request = json!({"thread": {"callout": "M20x2.5-6g", "length_mm": 40}, "lathe_id": "gap-bed", "bit": {"included_angle_deg": 60, "tip_flat_mm": 0.31},
        "blank": {"diameter_mm": 19.85, "shoulder": true, "relief_width_mm": 8.0}, "setup": {"spindle_rpm": 30}});
    let part = made(&server, "Stud", request.clone()).await;
    let other = made(&server, "Another", request).await;
    let (status, piece) = server.send(Method::POST, &format!("/api/v1/jobs/{part}/test-piece"), json!({}), &[]).await;
    assert_eq!(status, StatusCode::CREATED, "{piece}");
    let test = piece["id"].as_str().unwrap();
    assert!(piece["title"] == "Stud: the test piece" && piece["request"]["blank"]["diameter_mm"].is_null() && piece["request"]["setup"]["spindle_rpm"] == 30);
    let found = async |of: &str| server.get(&format!("/api/v1/jobs/{of}/test-pieces")).await.1;
    assert!(found(&part).await[0]["corrections"] == json!([]) && found(&part).await[0]["begun"] == false);
    let (status, _) = server.send(Method::POST, &format!("/api/v1/jobs/{test}/test-piece"), json!({}), &[]).await;
    assert_eq!(status, StatusCode::CONFLICT);
    for pass in piece["plan"]["run"]["passes"].as_array().unwrap() {
        act(&server, test, &format!("p{}", pass["n"]), json!({"kind": "pass_done", "n": pass["n"], "radial_mm": pass["radial_mm"]})).await;
    }
    act(&server, test, "past", json!({"kind": "overran", "past_mm": 1.25})).await;
    let all = found(&part).await;
    assert_eq!(all[0]["corrections"][0]["code"], "reaction", "{all}");
    let (_, job) = server.get(&format!("/api/v1/jobs/{part}")).await;
    let change = json!({"request": all[0]["corrections"][0]["change"]});
    let (status, taken) = server.send(Method::PATCH, &format!("/api/v1/jobs/{part}"), change, &[("If-Match", &job["revision"].to_string())]).await;
    assert!(status == StatusCode::OK && taken["request"]["setup"]["reaction_s"].as_f64().unwrap() > 1.4, "{taken}");
    // What was taken over is not offered again; the room it took instead still is.
    let left = found(&part).await;
    assert!(left[0]["corrections"][0]["code"] == "relief" && left[0]["corrections"][1].is_null(), "{left}");
    assert_eq!(found(&other).await, json!([]));
    // It goes out with the shop, and one whose part is not there is refused by its place.
    let (_, mut shop) = server.get("/api/v1/shop.json").await;
    let at = shop["sheets"].as_array().unwrap().iter().position(|s| s["kind"] == "test_piece").unwrap();
    assert_eq!(shop["sheets"][at]["body"]["of"], json!(part));
    shop["sheets"][at]["body"]["of"] = json!("nobody");
    let (status, problem) = server.post("/api/v1/shop.json", shop).await;
    assert!(status == StatusCode::UNPROCESSABLE_ENTITY && problem["faults"][0]["pointer"] == format!("/sheets/{at}/body/of"), "{status} {problem}");
}
