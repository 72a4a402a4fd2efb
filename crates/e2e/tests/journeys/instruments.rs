//! Instruments that speak: told on their page by pointing and winding, and beside the run.

use serde_json::{Value, json};
use std::time::{Duration, Instant};
use thirtyfour::Key;
use yoke_e2e::{Browser, Server, StandIn, retype};

const READOUT: [&str; 8] = ["readout", "--axes", "cross:diameter,-carriage", "--interval", "30", "--carriage", "60", "--turns=1/4"];

/// Waits until the readout itself shows this in its line.
async fn shows(browser: &Browser, figure: &str) {
    browser.wait_text("[data-which=readout] .spoken-line", figure).await;
}

#[tokio::test]
async fn a_readout_and_a_micrometer_are_told_by_pointing_and_winding() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let mut readout = StandIn::start(&READOUT);
    let mut micrometer = StandIn::start(&["micrometer", "--line", "N1 OK {0}"]);
    let browser = Browser::open().await;
    browser.go(&server.at("/shop/lathes/gap-bed")).await;
    browser.click_text("a", "Instruments").await;
    // An address that is none is named, and loses nothing.
    browser.click("[data-which=readout] [role=radio]:nth-child(2)").await;
    let address = "[data-which=readout] input";
    retype(&browser.find(address).await, "somewhere").await;
    browser.touch("[data-which=readout] [type=submit]").await;
    browser.wait_text("[data-which=readout] .fault", "192.168").await;
    retype(&browser.find(address).await, format!("{}{}", readout.at, Key::Enter + "")).await;
    // What its letters say is offered; then each axis is wound.
    browser.touch("[data-which=readout] .row .how + .act").await;
    browser.wait_text("[data-axis=cross_slide]", "Not wound").await;
    let wind = "[data-axis=cross_slide] > .act:last-of-type";
    browser.touch(wind).await;
    readout.tell("cross 1 at 10");
    shows(&browser, "+2.000").await;
    browser.click_text("[data-axis=cross_slide] .act", "From here").await;
    // Two turns for one is asked about.
    readout.tell("cross 4 at 10");
    shows(&browser, "+8.000").await;
    browser.click_text("[data-axis=cross_slide] .act", "One turn").await;
    browser.wait_text("[data-axis=cross_slide] .fault", "neither radius nor diameter").await;
    browser.click_text("[data-axis=cross_slide] .act", "From here").await;
    readout.tell("cross 5.5 at 10");
    shows(&browser, "+11.000").await;
    browser.click_text("[data-axis=cross_slide] .act", "One turn").await;
    browser.wait_text("[data-axis=cross_slide]", "Shows diameter in mm, and rises away from you").await;
    browser.click_text("[data-axis=carriage] .act", "Wind it").await;
    browser.click_text("[data-axis=carriage] .act", "From here").await;
    readout.tell("carriage 45 at 50");
    shows(&browser, "-45.000").await;
    browser.click_text("[data-axis=carriage] .act", "Here now").await;
    browser.wait_text("[data-axis=carriage]", "rises toward the headstock").await;
    // Another figure pointed at by keyboard: the one it was is not seen any more.
    browser.click_text("[data-axis=compound] .act", "Compound").await;
    browser.wait_text("[data-which=readout]", "Now touch its figure").await;
    browser.click_text(".pointing .figure-piece", "-45.000").await;
    browser.wait_text("[data-axis=carriage]", "not seen").await;
    // The micrometer: silent until it sends, then pointed at.
    browser.click("[data-which=micrometer] [role=radio]:nth-child(2)").await;
    retype(&browser.find("[data-which=micrometer] input").await, format!("{}{}", micrometer.at, Key::Enter + "")).await;
    browser.wait_text("[data-which=micrometer]", "No line yet").await;
    micrometer.tell("send 8.976");
    browser.click_text("[data-which=micrometer] .figure-piece", "8.976").await;
    browser.wait_text("[data-which=micrometer] .axis-figure", "8.976 mm").await;
    assert!(browser.axe().await.is_empty(), "{:?}", browser.axe().await);
    // It is kept with the lathe.
    let told: Value = reqwest::get(server.at("/api/v1/lathes/gap-bed/instruments")).await.unwrap().json().await.unwrap();
    assert_eq!(told["told"]["readout"]["axes"][0]["counts"], json!({"inches": false, "diameter": true, "falls": false}), "{told}");
    assert!(told["told"]["micrometer"]["pattern"]["label"] == "OK" && told["told"]["readout"]["axes"][1]["axis"] == "compound", "{told}");
    browser.click_text("[data-which=micrometer] .act", "Take it away").await;
    browser.find("[data-which=micrometer] [type=submit]").await;
    assert!(browser.blocked().await.is_empty(), "{:?}", browser.blocked().await);
    browser.close().await;
}

/// A job on the Gap bed, whose readout and micrometer stand in.
async fn told(server: &Server, readout: &StandIn, micrometer: &StandIn) -> String {
    let told = json!({
        "readout": readout.as_readout(&[("cross_slide", "X", true), ("carriage", "Z", false)]),
        "micrometer": {"cable": {"by": "tcp", "address": micrometer.at}, "pattern": {"nth": 0, "of": 1}},
    });
    server.fit("gap-bed", told).await;
    let request = json!({"thread": {"callout": "M10x1.5-6g", "length_mm": 12}, "lathe_id": "gap-bed", "blank": {"diameter_mm": 9.9}, "bit": {"tip_flat_mm": 0.19}, "cut": {"style": "radial"}});
    let post = reqwest::Client::new()
        .post(server.at("/api/v1/jobs"))
        .json(&json!({"id": "stay-bolt", "title": "Stay bolt", "request": request}))
        .send()
        .await
        .unwrap();
    assert!(post.status().is_success(), "{}", post.text().await.unwrap());
    "/jobs/stay-bolt/at-the-lathe".to_owned()
}

/// Cuts at the scratch pass's depth until that is shown. Where this machine stood still meanwhile the readout was away, and says so: then it
/// is told that it still counts from there, and the pass is cut once more, as a man would.
async fn cut(browser: &Browser, readout: &mut StandIn, said: (&str, &str)) {
    const PASS: &str = "cross -2 at 20\nwait 0.3\ncarriage 60 at 100\nspindle 600\nwait 0.8\ncross 0.05 at 10\nwait 0.4\nclose\nuntil place 37.4\nopen\ncross -2 at 20\nwait 0.3\ncarriage 60 at 100\nwait 0.4";
    const AWAY: &str = "The readout was away";
    for _ in 0..6 {
        readout.tell(PASS);
        // One that was not heard whole is cut once more.
        let until = Instant::now() + Duration::from_secs(12);
        while Instant::now() < until {
            if browser.text(said.0).await.contains(said.1) {
                return;
            }
            if browser.text(".live").await.contains(AWAY) {
                browser.click_text(".live-key", "Still the crest").await;
                browser.comes_to(&format!("return document.querySelector('.live').innerText.includes('{AWAY}')"), false).await;
                break;
            }
            tokio::time::sleep(Duration::from_millis(200)).await;
        }
    }
    panic!("six times not: {said:?}");
}

#[tokio::test]
async fn the_lathe_is_seen_its_passes_marked_and_a_cut_cable_said() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let (mut readout, mut micrometer) = (StandIn::start(&READOUT), StandIn::start(&["micrometer"]));
    let at = told(&server, &readout, &micrometer).await;
    let browser = Browser::open().await;
    browser.stand(&server.at(&at)).await;
    // Wound in to the crest and up to the end face, and each told with the point standing there.
    readout.tell("carriage 50 at 100\ncross -1 at 10\nwait 0.4\ncross 0 at 10\nwait 0.4\nzero cross");
    browser.find(".live[data-link=heard] .live-key").await;
    tokio::time::sleep(Duration::from_millis(1500)).await;
    browser.click_text(".live-key", "Point at the crest").await;
    browser.wait_text(".live-to-go", "5 div to go").await;
    browser.touch(".live-key:nth-child(2)").await;
    browser.find(".live .switch input").await;
    // The dial turns with the hand: too far is said at once, in its divisions.
    readout.tell("cross 0.08 at 4");
    browser.wait_text(".live-to-go", "Past it by 3 div").await;
    browser.find(".live.past").await;
    assert!(browser.axe().await.is_empty(), "{:?}", browser.axe().await);
    // Marked by itself, and undone like any other.
    browser.click(".live .switch input").await;
    cut(&browser, &mut readout, (".pass-name", "Pass 1")).await;
    browser.wait_text(".live-says", "Scratch pass: seen at 5 div and marked").await;
    browser.breathe().await;
    browser.keys(["u"]).await;
    browser.wait_text(".pass-name", "Scratch pass").await;
    cut(&browser, &mut readout, (".pass-name", "Pass 1")).await;
    // Told late by the key, it is the same pass.
    browser.breathe().await;
    browser.keys([" "]).await;
    browser.wait_text(".live-says", "one pass").await;
    server.comes_to("stay-bolt", "/run/passes_done", 1).await;
    // Cut once more at that depth it is asked, and let be.
    cut(&browser, &mut readout, (".live-says", "was it a spring pass")).await;
    browser.click_text(".live-key", "Let it be").await;
    // The micrometer's reading goes into the field that waits, and is judged as a typed one.
    browser.keys(["m"]).await;
    let field = "[role=dialog] input[data-autofocus]";
    browser.find(field).await;
    browser.wait_text("[role=dialog]", "Judge it").await;
    micrometer.tell("send 10.9");
    browser.comes_to(&format!("return document.querySelector({field:?}).value"), "10.900 mm").await;
    browser.close_leaf().await;
    // A cut cable is said, and by hand it goes on.
    readout.tell("cut");
    browser.wait_text(".live-says", "go by the dial").await;
    browser.breathe().await;
    browser.keys([" "]).await;
    server.comes_to("stay-bolt", "/run/passes_done", 2).await;
    assert!(browser.blocked().await.is_empty(), "{:?}", browser.blocked().await);
    browser.close().await;
}
