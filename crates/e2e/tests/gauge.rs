//! Gauge: fitted by feel alone, over size and cut to size, a reading that cannot be right.
#![allow(missing_docs, clippy::unwrap_used)]

use serde_json::{Value, json};
use thirtyfour::prelude::*;
use yoke_e2e::{Browser, Server, retype};

/// A job with its first passes cut, as another screen would have marked them.
async fn cut(server: &Server, id: &str, facts: Value) -> Value {
    let client = reqwest::Client::new();
    let job = server.tell(id, facts).await;
    for pass in job["plan"]["run"]["passes"].as_array().unwrap() {
        let act = json!({"act": {"kind": "pass_done", "n": pass["n"], "radial_mm": pass["radial_mm"]}});
        let put = client.put(server.at(&format!("/api/v1/jobs/{id}/acts/p{}", pass["n"]))).json(&act);
        assert!(put.send().await.unwrap().status().is_success());
    }
    server.job(id).await
}

#[tokio::test]
async fn a_bore_is_fitted_to_its_mate_by_feel_alone() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    browser.size((768, 1024)).await;
    let id = "gauge-board-cap";
    // The tip is only guessed, so the passes stop short of what it may be; nothing reaches inside but the mate.
    let facts = json!({"bit": {"included_angle_deg": 60, "tip_flat_between_mm": [0.12, 0.26]}, "gauge": {"proof": "mate", "mate_at_hand": true}});
    let job = cut(&server, id, facts).await;
    assert!(job["run"]["next"].is_null());
    browser.go(&server.at(&format!("/jobs/{id}/at-the-lathe"))).await;
    browser.wait_text(".pass-name", "Measure").await;
    let measure = By::XPath("//footer//button[contains(., 'Measure')]");
    let mut stood = job["run"]["stands_mm"].as_f64().unwrap();
    for (felt, turns) in [("Will not enter", None), ("Enters some turns", Some("2.5")), ("tight", None)] {
        browser.page.find(measure.clone()).await.unwrap().click().await.unwrap();
        browser.wait_text("[role=dialog]", "chips out of the mate").await;
        browser.find_text(".mate-fits .choice", felt).await.click().await.unwrap();
        if let Some(turns) = turns {
            let field = browser.find("[role=dialog] input").await;
            field.send_keys("some" + Key::Enter).await.unwrap();
            browser.wait_text("[role=dialog] .fault", "number of turns").await;
            retype(&field, format!("{turns}{}", Key::Enter + "")).await;
        }
        // Every trial gives a small cut, and the dial to set it.
        browser.wait_text(".pass-name", "Measured cut").await;
        browser.wait_text(".strip", "try it again").await;
        let run = server.job(id).await["run"].clone();
        let next = run["schedule"].as_array().unwrap().last().unwrap()["pass"]["radial_mm"].as_f64().unwrap();
        assert!(next > stood && next - stood < 0.25, "{felt}: {stood} {next}");
        for _ in 0..run["schedule"].as_array().unwrap().len() {
            browser.breathe().await;
            browser.touch(".done-key").await;
        }
        browser.wait_text(".pass-name", "Measure").await;
        stood = next;
    }
    assert!(browser.axe().await.is_empty(), "{:?}", browser.axe().await);
    browser.page.find(measure).await.unwrap().click().await.unwrap();
    browser.find_text(".mate-fits .choice", "Runs free").await.click().await.unwrap();
    browser.wait_text(".pass-name", "In limits").await;
    let run = server.job(id).await["run"].clone();
    assert!(run["tip"]["says"].as_str().unwrap().contains("The mate just goes at"), "{run}");
    assert_eq!((run["finished"].as_bool(), run["may_leave"].as_bool()), (Some(true), Some(true)));
    browser.close().await;
}

#[tokio::test]
async fn over_size_is_cut_to_size_and_a_reading_a_turn_out_is_questioned() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    let id = "turnbuckle-ends--six";
    let job = cut(&server, id, json!({"bit": {"included_angle_deg": 60, "tip_flat_mm": 0.2}})).await;
    let run = &job["plan"]["run"];
    let number = |at: &str| run[at].as_f64().unwrap();
    let (most, aim) = (run["limits_mm"][1].as_f64().unwrap(), number("target_mm"));
    browser.go(&server.at(&format!("/jobs/{id}/gauge"))).await;
    browser.find_text(".actions .act", "Measured, or tried").await.click().await.unwrap();
    browser.find_text("[role=dialog] .act", "Thread micrometer instead").await.click().await.unwrap();
    // A whole turn of this dial from where the thread must be.
    let turn =
        2.0 * run["dial"]["divisions"].as_f64().unwrap() * run["dial"]["graduation_mm"].as_f64().unwrap() / run["dial"]["reading_per_radial"].as_f64().unwrap();
    let field = browser.find("[role=dialog] input").await;
    retype(&field, format!("{:.3} mm{}", aim - turn, Key::Enter + "")).await;
    browser.wait_text("[role=dialog]", "whole turn of the dial").await;
    retype(&field, format!("{:.3} mm{}", most + 0.05, Key::Enter + "")).await;
    let said = browser.wait_text(".verdict", "Take more").await;
    assert!(said.contains("It should come to") && said.contains("springs away"), "{said}");
    let next = server.job(id).await["run"]["schedule"].as_array().unwrap().last().unwrap()["pass"]["radial_mm"].as_f64().unwrap();
    // Even if nothing of it springs away, the cut advised stays inside the low limit.
    let after = most + 0.05 - 2.0 * (next - job["run"]["stands_mm"].as_f64().unwrap());
    assert!(after > run["limits_mm"][0].as_f64().unwrap() && after < most, "{after}");
    browser.keys(["l"]).await;
    for _ in 0..server.job(id).await["run"]["schedule"].as_array().unwrap().len() {
        browser.one_pass().await;
    }
    browser.wait_text(".pass-name", "Measure").await;
    browser.keys(["m"]).await;
    browser.find_text("[role=dialog] .act", "Thread micrometer instead").await.click().await.unwrap();
    retype(&browser.find("[role=dialog] input").await, format!("{after:.3} mm{}", Key::Enter + "")).await;
    browser.wait_text(".pass-name", "In limits").await;
    // The exact answer stands beside the trade's.
    browser.go(&server.at("/jobs/paddle-screw-and-nut/gauge")).await;
    browser.wait_text(".carry", "exact seat the same").await;
    browser.close().await;
}
