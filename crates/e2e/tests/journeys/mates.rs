//! The mate, the sample and the proof at the screen: cut by numbers and tried, a nose that would bottom, out and back, a tap oversize, a
//! figure that is wrong.

use serde_json::{Value, json};
use thirtyfour::prelude::*;
use yoke_e2e::{Browser, Server, retype};

async fn made(server: &Server, title: &str, request: Value) -> String {
    let answer = reqwest::Client::new().post(server.at("/api/v1/jobs")).json(&json!({"title": title, "request": request})).send().await.unwrap();
    answer.json::<Value>().await.unwrap()["id"].as_str().unwrap().to_owned()
}

/// Tells by touch how the mate went, and that nothing or something met first.
async fn tried(browser: &Browser, went: &str, amount: Option<&str>, met: &str) {
    browser.breathe().await;
    browser.keys(["m"]).await;
    browser.click_text("[role=dialog] .way", "The mate").await;
    browser.click_text(".mate-fits .choice", went).await;
    if let Some(amount) = amount {
        retype(&browser.find("[role=dialog] input").await, format!("{amount}{}", Key::Enter + "")).await;
    }
    browser.wait_text("[role=dialog]", "meet before the threads").await;
    browser.click_text(".mate-fits .choice", met).await;
}

#[tokio::test]
async fn a_nut_cut_by_numbers_its_screw_tried_and_done_with() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    let nut = made(
        &server,
        "Gland nut",
        json!({"thread": {"callout": "M30x2-6H", "length_mm": 20}, "lathe_id": "gap-bed", "bit": {"included_angle_deg": 60, "tip_flat_mm": 0.2}}),
    )
    .await;
    browser.go(&server.at(&format!("/jobs/{nut}/thread"))).await;
    browser.click_text("button.word", "Cut its screw too").await;
    browser.wait_text(".own", "One of a pair").await;
    let job = server.job(&nut).await;
    let screw = job["members"][0]["id"].as_str().unwrap().to_owned();
    server.cut(&nut, &job["plan"]["run"]["passes"], "p").await;
    // Done with it at the lathe, measured by nobody: that is said.
    browser.stand(&server.at(&format!("/jobs/{nut}/at-the-lathe"))).await;
    browser.wait_text(".pass-name", "Measure").await;
    browser.click_text("footer .lathe-key", "Else").await;
    browser.click_text(".happened .choice", "Done with it").await;
    browser.wait_text(".lathe", "nothing proved it").await;
    server.tell(&screw, json!({"bit": {"included_angle_deg": 60, "tip_flat_mm": 0.25}})).await;
    browser.go(&server.at(&format!("/jobs/{screw}/thread"))).await;
    browser.wait_text(".carry", "came to, by its settings").await;
    assert!(browser.axe().await.is_empty(), "{:?}", browser.axe().await);
    let fitted = server.job(&screw).await;
    server.cut(&screw, &fitted["plan"]["run"]["passes"], "p").await;
    browser.stand(&server.at(&format!("/jobs/{screw}/at-the-lathe"))).await;
    // The nut enters two turns, and the jaws stopped it: that says nothing. Tried again it binds by itself, and leads to a cut.
    tried(&browser, "Enters some turns", Some("2"), "The jaws").await;
    browser.wait_text(".lathe", "met the jaws before the threads").await;
    tried(&browser, "Enters some turns", Some("2"), "Nothing: the threads alone").await;
    browser.wait_text(".strip", "try it again").await;
    let left = server.job(&screw).await["run"]["schedule"].clone();
    server.cut(&screw, &left, "q").await;
    browser.wait_text(".pass-name", "Measure").await;
    browser.keys(["m"]).await;
    browser.click_text("[role=dialog] .way", "The mate").await;
    assert!(browser.axe().await.is_empty(), "{:?}", browser.axe().await);
    browser.click_text(".mate-fits .choice", "Runs free").await;
    browser.wait_text(".pass-name", "In limits").await;
    browser.close().await;
}

#[tokio::test]
async fn a_nose_that_would_bottom_is_red_and_one_touch_stands_the_work_out() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    let gauge = json!({"proof": "mate", "mate_at_hand": true, "mate_ahead_mm": 12});
    let id = made(
        &server,
        "Mill spindle",
        json!({"thread": {"callout": "M36x3-6g", "length_mm": 40}, "lathe_id": "gap-bed", "blank": {"stick_out_mm": 44}, "gauge": gauge}),
    )
    .await;
    browser.go(&server.at(&format!("/jobs/{id}/setup"))).await;
    let red = browser.wait_text("[data-check=proof]", "touch the jaws first").await;
    assert!(red.contains("12.0 mm ahead of its thread") && red.contains("Stand the work further out"), "{red}");
    browser.click("[data-check=proof] button.act").await;
    browser.wait_text("[data-check=proof]", "it goes on").await;
    server.comes_to(&id, "/request/blank/stick_out_mm", 52).await;
    // Between centres it comes out for its ring; hung on the tailstock's side it runs on where it hangs.
    server.tell(&id, json!({"blank": {"holding": "centres", "stick_out_mm": null, "beyond_mm": 30}})).await;
    browser.go(&server.at(&format!("/jobs/{id}/setup"))).await;
    browser.wait_text("[data-check=proof]", "mark the dog's slot").await;
    browser.touch("button.word[aria-label^='Where it is meanwhile']").await;
    browser.click_text(".editor .choice", "hung on the tailstock").await;
    browser.wait_text("[data-check=proof]", "runs on where it hangs").await;
    // Out for its ring and back in the slot: proved by a pass that cuts nothing.
    let job = server.job(&id).await;
    server.cut(&id, &json!([job["plan"]["run"]["passes"][0]]), "p").await;
    browser.stand(&server.at(&format!("/jobs/{id}/at-the-lathe"))).await;
    browser.click_text("footer .lathe-key", "Else").await;
    browser.click_text(".happened .choice", "Out of the chuck").await;
    browser.wait_text("[role=dialog]", "proved by one pass without cutting").await;
    assert!(browser.axe().await.is_empty(), "{:?}", browser.axe().await);
    browser.click_text(".happened .choice", "in the same slot").await;
    browser.wait_text(".lathe", "without cutting").await;
    browser.close().await;
}

#[tokio::test]
async fn a_tap_over_its_screw_half_a_nut_laid_on_and_a_figure_that_is_wrong() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    let id = made(
        &server,
        "Tap for the half-nut",
        json!({"thread": {"callout": "Tr28x5", "length_mm": 60}, "lathe_id": "gap-bed", "bit": {"included_angle_deg": 30}}),
    )
    .await;
    browser.go(&server.at(&format!("/jobs/{id}/gauge"))).await;
    // Made over its screw by thirteen hundredths, as measured by thread micrometer.
    browser.click_text("button.word", "what its limits ask").await;
    let fields = browser.page.find_all(By::Css("[role=dialog] input")).await.unwrap();
    retype(&fields[0], "25.2").await;
    retype(&fields[1], "-0.13").await;
    browser.click_text("[role=dialog] .act", "Set").await;
    server.comes_to(&id, "/request/gauge/original/clearance_mm", -0.13).await;
    let job = server.job(&id).await;
    assert!((job["plan"]["run"]["target_mm"].as_f64().unwrap() - 25.33).abs() < 1e-6);
    // A figure brought along: twice the depth, as a diameter.
    browser.go(&server.at(&format!("/jobs/{id}/cut"))).await;
    browser.click_text("button.act", "What if").await;
    browser.click_text("[role=dialog] .choice", "A figure of your own").await;
    let radial = job["plan"]["run"]["start_mm"].as_f64().unwrap() / 2.0 - 25.33 / 2.0 + job["plan"]["run"]["tip_to_pitch_mm"].as_f64().unwrap();
    let field = browser.find(".own-figure input").await;
    retype(&field, format!("{:.3} mm{}", 2.0 * radial, Key::Enter + "")).await;
    browser.wait_text(".own-figure", "a depth on the diameter, where this is on the radius").await;
    assert!(browser.axe().await.is_empty(), "{:?}", browser.axe().await);
    browser.close_leaf().await;
    // Half the nut laid on stands off by three tenths: about so much depth is left.
    server.cut(&id, &job["plan"]["run"]["passes"], "p").await;
    browser.stand(&server.at(&format!("/jobs/{id}/at-the-lathe"))).await;
    browser.wait_text(".pass-name", "Measure").await;
    tried(&browser, "Laid on", Some("0.3 mm"), "Nothing").await;
    browser.wait_text(".strip", "stands off by 0.3 mm").await;
    browser.close().await;
}
