//! Set-up and Cut: the check cured, steps ticked and asked again, whole runs, and a cable cut in the middle of one.

use serde_json::{Value, json};
use std::collections::BTreeSet;
use thirtyfour::prelude::*;
use yoke_e2e::{Browser, Cable, Line, Server, retype};

/// Cuts every pass of the plan from the at-the-lathe screen, and says what each pass was called.
async fn cut_them_all(browser: &Browser, job: &Value) -> Vec<String> {
    let mut names = Vec::new();
    for pass in job["plan"]["run"]["passes"].as_array().unwrap() {
        browser.find(&format!("[data-pass='{}']", pass["n"])).await;
        names.push(browser.text(".pass-name").await);
        browser.one_pass().await;
    }
    browser.wait_text(".pass-name", "Measure").await;
    names
}

/// Types a reading of the pitch diameter, mm, by thread micrometer.
async fn read_pitch_diameter(browser: &Browser, mm: f64) {
    browser.keys(["m"]).await;
    browser.find("[role=dialog] .way").await;
    if !browser.text("[role=dialog]").await.contains("Pitch diameter by thread micrometer") {
        browser.click_text("[role=dialog] .way", "Thread micrometer").await;
    }
    retype(&browser.find("[role=dialog] input").await, format!("{mm:.3} mm{}", Key::Enter + "")).await;
}

#[tokio::test]
async fn the_check_is_cured_by_touch_and_a_step_is_asked_again_when_what_it_hangs_on_changes() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    browser.size((768, 1024)).await;
    let id = "mill-bearing-stud";
    // A slim stud held by one end is red, and its own cure turns it green.
    server.tell(id, json!({"thread": {"length_mm": 110}, "blank": {"stick_out_mm": 115}})).await;
    browser.go(&server.at(&format!("/jobs/{id}/setup"))).await;
    let says = browser.wait_text("[data-check=stick_out]", "To put right").await;
    assert!(says.contains("Bring up the tailstock"), "{says}");
    browser.find("[data-check=stick_out]").await.scroll_into_view().await.unwrap();
    browser.touch("[data-check=stick_out] .act").await;
    browser.wait_text("[data-check=stick_out]", "Good").await;
    assert_eq!(server.job(id).await["request"]["blank"]["support"], "centre");
    assert!(browser.axe().await.is_empty(), "{:?}", browser.axe().await);

    browser.click_text(".views .choice", "Step by step").await;
    browser.find(".step-list li").await;
    let tick = |code: &str| format!("[data-step={code}] [role=checkbox]");
    for code in ["clean", "gears"] {
        browser.find(&tick(code)).await.scroll_into_view().await.unwrap();
        browser.touch(&tick(code)).await;
        browser.find(&format!("[data-step={code}].done")).await;
    }
    let run_out = browser.find("[data-step=run_out] input").await;
    run_out.send_keys("0.02 at the shoulder" + Key::Enter).await.unwrap();
    browser.find("[data-step=run_out].done").await;
    browser.wait_text(".step-list [role=status]", "3 of").await;
    // Remembered over a reload; another train asks for the gears again, and for nothing else.
    let second = json!({"gears": {"hang": {"drivers": [20, 40], "driven": [50, 64]}}});
    server.tell(id, second).await;
    browser.page.refresh().await.unwrap();
    browser.click_text(".views .choice", "Step by step").await;
    browser.wait_text("[data-step=gears]", "look again").await;
    browser.find("[data-step=clean].done").await;
    browser.find("[data-step=run_out].done").await;
    let kept = server.job(id).await["run"]["ticks"].clone();
    assert_eq!(kept["run_out"]["noted"], "0.02 at the shoulder", "{kept}");
    browser.close().await;
}

#[tokio::test]
async fn a_blind_cap_is_cut_away_from_the_chuck_and_proven() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    let id = "gauge-board-cap";
    let job = server.tell(id, json!({"setup": {"way": "away"}, "bit": {"included_angle_deg": 60, "tip_flat_mm": 0.19}})).await;
    browser.go(&server.at(&format!("/jobs/{id}/setup"))).await;
    browser.noted("far wall").await;
    browser.click_text(".views .choice", "From above").await;
    browser.wait_text(".from-above", "reversed").await;
    browser.keys(["l"]).await;
    browser.all_the_same().await;
    browser.wait_text(".phase-says", "Wind out").await;
    browser.keys(["n", "n"]).await;
    browser.wait_text(".phase-says", "It cuts toward the tailstock").await;
    let names = cut_them_all(&browser, &job).await;
    assert_eq!((names.first().map(String::as_str), names.last().map(String::as_str)), (Some("Scratch pass"), Some("Spring pass")));
    // A bore grows as it is cut: by hand, the blank and twice what the tip reaches past the pitch line.
    let run = &job["plan"]["run"];
    let number = |at: &str| run[at].as_f64().unwrap();
    let deepest = run["passes"].as_array().unwrap().last().unwrap()["radial_mm"].as_f64().unwrap();
    let size = number("start_mm") + 2.0 * (deepest - number("tip_to_pitch_mm"));
    assert!((size - number("target_mm")).abs() < 0.03, "{size}");
    let least = run["limits_mm"][0].as_f64().unwrap();
    read_pitch_diameter(&browser, least - 0.03).await;
    browser.wait_text(".pass-name", "Measured cut").await;
    for _ in 0..server.job(id).await["run"]["schedule"].as_array().unwrap().len() {
        browser.one_pass().await;
    }
    browser.wait_text(".pass-name", "Measure").await;
    read_pitch_diameter(&browser, number("target_mm")).await;
    browser.wait_text(".pass-name", "In limits").await;
    server.comes_to(id, "/run/finished", true).await;
    browser.close().await;
}

#[tokio::test]
async fn the_left_hand_paddle_screw_is_stocked_then_formed() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    let id = "paddle-screw-and-nut";
    browser.go(&server.at(&format!("/jobs/{id}/cut"))).await;
    browser.click("button[aria-label^='Infeed']").await;
    browser.click_text(".editor .choice", "stocking tool").await;
    browser.wait_text(".own", "stocking tool, then form tool").await;
    browser.click("button[aria-label^='Cutting passes']").await;
    retype(&browser.find(".editor input").await, "8" + Key::Enter).await;
    browser.wait_text(".own", "8 passes").await;
    let job = server.tell(id, json!({"bit": {"included_angle_deg": 29, "tip_flat_mm": 1.75}})).await;
    // The groove is drawn pass by pass, and a mistake is answered.
    browser.find(".scrub svg").await;
    browser.click_text(".actions .act", "What if").await;
    browser.wait_text(".what-if", "deep").await;
    browser.keys([Key::Escape + ""]).await;
    browser.keys(["l"]).await;
    browser.all_the_same().await;
    let names = cut_them_all(&browser, &job).await;
    let count = |word: &str| names.iter().filter(|n| n.starts_with(word)).count();
    assert!(count("Stocking") >= 4 && count("Pass") >= 2, "{names:?}");
    let change = names.iter().rposition(|n| n.starts_with("Stocking")).unwrap();
    assert!(names[change + 1].starts_with("Pass"), "{names:?}");
    read_pitch_diameter(&browser, job["plan"]["run"]["target_mm"].as_f64().unwrap()).await;
    browser.wait_text(".pass-name", "In limits").await;
    browser.keys(["o"]).await;
    browser.click_text("[role=dialog] .choice", "Done with it").await;
    browser.wait_text(".announce", "Done with").await;
    server.comes_to(id, "/run/closed", true).await;
    browser.close().await;
}

#[tokio::test]
async fn ten_acts_through_a_cut_cable_are_each_kept_once_and_two_missed_ticks_are_put_right() {
    let folder = tempfile::tempdir().unwrap();
    let mut server = Server::start(folder.path());
    let cable = Cable::to(server.port);
    let browser = Browser::open().await;
    let id = "footbridge-tie-rod";
    let passes = server.job(id).await["plan"]["run"]["passes"].as_array().unwrap().clone();
    let next = |i: usize| format!("[data-pass='{}']", passes[i]["n"]);
    browser.stand(&cable.at(&format!("/jobs/{id}/at-the-lathe"))).await;
    browser.find(&next(8)).await;
    // First the answers are lost: what was sent is on disk, and the screen cannot know it.
    cable.set(Line::Deaf);
    for i in 9..11 {
        browser.one_pass().await;
        browser.find(&next(i)).await;
    }
    browser.wait_text(".strip", "kept here").await;
    // Then nothing passes: passes, one taken back, one more spring, a note.
    cable.set(Line::Cut);
    for i in 11..14 {
        browser.one_pass().await;
        browser.find(&next(i)).await;
    }
    browser.breathe().await;
    browser.keys(["u"]).await;
    browser.find(&next(12)).await;
    browser.one_pass().await;
    browser.find(&next(13)).await;
    browser.keys(["o"]).await;
    browser.click_text("[role=dialog] .choice", "One more spring").await;
    browser.find(&next(13)).await;
    browser.keys(["o"]).await;
    browser.click_text("[role=dialog] .choice", "Note").await;
    browser.find("[role=dialog] input").await.send_keys("chip under the bit" + Key::Enter).await.unwrap();
    browser.one_pass().await;
    browser.wait_text(".strip", "10 acts are kept here").await;
    // A changed bit changes every depth: without the server the screen holds.
    cable.set(Line::Whole);
    browser.find(&next(14)).await;
    server.comes_to(id, "/sequence", 18).await;
    let job = server.job(id).await;
    assert_eq!((job["sequence"].as_i64(), job["run"]["passes_done"].as_i64()), (Some(18), Some(14)), "{}", job["run"]);
    browser.find(&next(14)).await;

    // Two ticks are missed: two passes were cut that nobody marked, and one reading puts everything right.
    let reading = job["plan"]["cut"]["passes"][15]["dial"][0]["reading"].as_str().unwrap().trim_end_matches(" in").to_owned();
    browser.keys(["d"]).await;
    browser.find("[role=dialog] input").await;
    browser.keys([format!("{reading}{}", Key::Enter + "")]).await;
    browser.find(&next(16)).await;
    // The bit is changed on the other side of a cut cable: the next depth is not known till the server answers.
    cable.set(Line::Cut);
    browser.keys(["o"]).await;
    browser.click_text("[role=dialog] .choice", "Changed the bit").await;
    browser.find("[role=dialog] input").await.send_keys("0.25 mm" + Key::Enter).await.unwrap();
    browser.find("[role=dialog] .fault").await;
    cable.set(Line::Whole);
    browser.click_text("[role=dialog] .act", "Go on with it").await;
    browser.wait_text(".pick-up", "Touch it on the crest").await;

    browser.close().await;
    server.kill();
    let store = yoke_store::Store::open(&folder.path().join("yoke-turn.db")).unwrap();
    let rows = store.acts(id).unwrap();
    let ids: BTreeSet<&str> = rows.iter().map(|r| r.id.as_str()).collect();
    let count = |kind: &str| rows.iter().filter(|r| r.body.contains(&format!("\"kind\":\"{kind}\""))).count();
    assert_eq!((rows.len(), ids.len()), (20, 20), "eight of the demo, ten through the cable, the reading and the bit, each once");
    assert_eq!(["pass_done", "undone", "sprung", "note", "stands_at", "bit_changed"].map(count), [15, 1, 1, 1, 1, 1]);
}
