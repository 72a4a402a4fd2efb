//! A thread cut by die and one tapped, at the screen: chosen in the sentence, compared, checked, run step by step, gone over, proven, printed.

use serde_json::{Value, json};
use thirtyfour::prelude::*;
use yoke_e2e::{Browser, Server, retype};

const ONE_LOOK: &str = include_str!("one_look.js");

/// Nothing nested, cut, or too small, on every station at three sizes.
async fn one_look(browser: &Browser, id: &str) {
    for size in [(1280, 800), (1024, 768), (768, 1024)] {
        browser.size(size).await;
        for station in ["blank", "gears", "setup", "cut", "gauge"] {
            browser.turn(&format!("/jobs/{id}/{station}")).await;
            browser.find(&format!("main[data-station={station}] :is(.station, .no-lathe)")).await;
            browser.quiet().await;
            let faults: Vec<String> = serde_json::from_value(browser.script(ONE_LOOK).await).unwrap();
            assert!(faults.is_empty(), "{station} at {size:?}: {faults:#?}");
        }
    }
    browser.size((1280, 800)).await;
}

#[tokio::test]
async fn a_pin_is_cut_by_die_from_its_sentence_to_its_card() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let request = json!({"thread": {"callout": "M16x2-6g", "length_mm": 30}, "blank": {"shoulder": true}, "lathe_id": "gap-bed"});
    let answer = reqwest::Client::new().post(server.at("/api/v1/jobs")).json(&json!({"title": "Gate pin", "request": request})).send().await.unwrap();
    let id = answer.json::<Value>().await.unwrap()["id"].as_str().unwrap().to_owned();
    let browser = Browser::open().await;
    browser.go(&server.at(&format!("/jobs/{id}/setup"))).await;
    // By keys: the first word of the sentence says what makes it.
    browser.find("button.word[aria-label^='What makes it']").await.send_keys(Key::Enter + "").await.unwrap();
    browser.click_text(".editor .choice", "Cut by die").await;
    browser.wait_text(".head .sentence", "Cut by die").await;
    // The torque by hand: 2650 N/mm² on 1.37 mm² at 14.58/2 is 26 to 30 N·m.
    let told = browser.wait_text(".carry", "N·m").await;
    assert!(["26 N·m", "27 N·m", "28 N·m", "29 N·m", "30 N·m"].iter().any(|t| told.contains(t)), "{told}");
    browser.wait_text("[data-check=chaser_end]", "6.0 mm before the shoulder").await;
    browser.click("[data-check=chaser_end] button.act").await;
    browser.wait_text("[data-check=chaser_end]", "takes up").await;
    browser.find("button.word[aria-label^='Handle']").await.click().await.unwrap();
    retype(&browser.find(".editor input").await, "380" + Key::Enter).await;
    browser.wait_text("[data-check=twist]", "Good").await;
    // Side by side with a single point.
    browser.click_text("button.act", "Single point, die or tap?").await;
    browser.wait_text(".makers-table", "(recommended)").await;
    assert!(browser.axe().await.is_empty(), "{:?}", browser.axe().await);
    browser.close_leaf().await;
    one_look(&browser, &id).await;
    browser.go(&server.at(&format!("/jobs/{id}/gears"))).await;
    browser.wait_text(".no-lathe", "a die makes this thread").await;
    // At the lathe, by the pedal's key, one step after another.
    browser.go(&server.at(&format!("/jobs/{id}/at-the-lathe"))).await;
    browser.wait_text(".told.stage", "Open the die to its full").await;
    assert!(browser.axe().await.is_empty(), "{:?}", browser.axe().await);
    for (name, next) in [("Run it on", "A turn on"), ("Off, and measure", "Off by hand")] {
        browser.breathe().await;
        browser.keys([" "]).await;
        browser.wait_text(".pass-name", name).await;
        browser.wait_text(".told.stage", next).await;
    }
    browser.breathe().await;
    browser.keys([" "]).await;
    browser.wait_text(".pass-name", "Measure").await;
    let tell = async |size: &str| {
        browser.keys(["m"]).await;
        browser.click_text("[role=dialog] .way", "Thread micrometer").await;
        retype(&browser.find("[role=dialog] input").await, format!("{size} mm{}", Key::Enter + "")).await;
    };
    tell("14.72").await;
    browser.wait_text(".strip", "close the die by a touch").await;
    browser.wait_text(".told.stage", "Close the die by a touch").await;
    browser.breathe().await;
    browser.keys([" "]).await;
    browser.wait_text(".pass-name", "Measure").await;
    tell("14.58").await;
    browser.wait_text(".pass-name", "In limits").await;
    // A hole across it, where the lessons of order put it, with what it does to the thread.
    browser.go(&server.at(&format!("/jobs/{id}/route"))).await;
    browser.click_text(".chucking header .choice", "Add an operation").await;
    browser.click_text(".happened .choice", "Drill across").await;
    browser.wait_text(".route-page aside", "Still to tell").await;
    assert!(!browser.text(".route-page").await.contains("stands after"), "{}", browser.text(".route-page").await);
    let tell = async |n: usize, figure: &str| {
        let fields = browser.find(".route-page aside .part-form").await.find_all(By::Css("input")).await.unwrap();
        retype(&fields[n], figure.to_owned()).await;
    };
    tell(0, "4").await;
    tell(1, "6000").await;
    browser.click(".part-form .act").await;
    browser.wait_text(".part-form .fault", "is wanted").await;
    tell(1, "10").await;
    browser.click(".part-form .act").await;
    browser.wait_text(".route-page aside", "comes out in the thread").await;
    assert!(browser.axe().await.is_empty(), "{:?}", browser.axe().await);
    // Its card is the die's.
    browser.go(&server.at(&format!("/jobs/{id}/paper"))).await;
    let card = browser.wait_text(".paper", "Torque").await;
    assert!(card.contains("Bevel at 30°") && !card.to_lowercase().contains("half-nut"), "{card}");
    browser.click_text(".sheet-choice .choice", "Job card").await;
    browser.wait_text(".paper", "Cut it with the die").await;
    let pages = String::from_utf8_lossy(&browser.pdf().await).matches("/Type /Page\n").count();
    assert!(pages <= 1, "{pages} pages");
    browser.close().await;
}

#[tokio::test]
async fn a_blind_hole_is_tapped_from_its_drill_to_the_bolt_that_runs_free() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let request = json!({"thread": {"callout": "M8-6H", "length_mm": 16}, "making": {"by": "tap"}, "blank": {"shoulder": true}, "lathe_id": "bench"});
    let answer = reqwest::Client::new().post(server.at("/api/v1/jobs")).json(&json!({"title": "Cleat hole", "request": request})).send().await.unwrap();
    let id = answer.json::<Value>().await.unwrap()["id"].as_str().unwrap().to_owned();
    let browser = Browser::open().await;
    browser.go(&server.at(&format!("/jobs/{id}/blank"))).await;
    // 16 of thread, five pitches of 1.25 and two for chips.
    browser.wait_text(".carry", "24.8 mm").await;
    one_look(&browser, &id).await;
    browser.go(&server.at(&format!("/jobs/{id}/setup"))).await;
    browser.touch("button.word[aria-label^='The last tap']").await;
    browser.click_text(".editor .choice", "bottoming tap").await;
    browser.wait_text(".sentence.own", "bottoming tap last").await;
    browser.wait_text("[data-check=chaser_held]", "this chuck screws on").await;
    browser.go(&server.at(&format!("/jobs/{id}/cut"))).await;
    browser.wait_text(".step-list", "Hold the work from turning").await;
    browser.go(&server.at(&format!("/jobs/{id}/at-the-lathe"))).await;
    for step in ["Start it", "taper tap", "plug tap", "bottoming tap", "Off, and measure"] {
        browser.wait_text(".pass-name", step).await;
        browser.breathe().await;
        browser.touch(".done-key").await;
    }
    browser.wait_text(".pass-name", "Measure").await;
    // Taken back and done again.
    browser.breathe().await;
    browser.keys(["u"]).await;
    browser.wait_text(".pass-name", "Off, and measure").await;
    browser.breathe().await;
    browser.touch(".done-key").await;
    browser.wait_text(".pass-name", "Measure").await;
    server.act(&id, "free", json!({"kind": "tried", "fit": "free"})).await;
    browser.wait_text(".pass-name", "In limits").await;
    browser.wait_text(".told", "proven by this screw").await;
    browser.close().await;
}
