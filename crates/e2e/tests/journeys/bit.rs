//! The Bit station: sheets for a left-hand Acme pair, a bit only guessed carried to a stop and a reading, a bar too thick.

use std::time::Duration;
use thirtyfour::prelude::*;
use yoke_e2e::{Browser, Server, retype};

#[tokio::test]
async fn a_left_hand_acme_pair_has_its_two_grinding_sheets() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    browser.go(&server.at("/jobs/paddle-screw-and-nut/bit")).await;
    // tan λ = 0.2/(π·1.03), at the root this tip leaves: 3.5° more than the 6° of clearance, on the side that leads: the right, for a left-hand thread.
    let carried = browser.wait_text(".carry", "Relief, leading side").await;
    assert!(carried.contains("9.5°"), "{carried}");
    browser.noted("its right, face up").await;
    browser.click_text("button.act", "Grinding sheet").await;
    let sheet = browser.wait_text(".grinding", "Eyes covered").await;
    // Square to the edge: atan(tan 9.55° cos 14.5°) = 9.25°, to half a degree.
    assert!(sheet.contains("9.5°") && sheet.contains("14.5°") && sheet.contains("never used") && sheet.contains("burr"), "{sheet}");
    assert!(browser.axe().await.is_empty(), "{:?}", browser.axe().await);
    browser.keys([Key::Escape + ""]).await;
    // On a tilted rest the sheet sets the rest instead.
    browser.click("button[aria-label^='How it is held to the wheel']").await;
    browser.click_text(".editor .choice", "on a tilted rest").await;
    browser.find("button[aria-label='How it is held to the wheel: on a tilted rest']").await;
    browser.click_text("button.act", "Grinding sheet").await;
    browser.wait_text(".grinding", "tilt the rest to 9.5°").await;
    browser.keys([Key::Escape + ""]).await;

    // The nut, by touch on a tablet.
    let jobs: Vec<serde_json::Value> = reqwest::get(server.at("/api/v1/jobs")).await.unwrap().json().await.unwrap();
    let nut = jobs.iter().find(|j| j["title"].as_str().unwrap().ends_with("the nut")).unwrap()["id"].as_str().unwrap().to_owned();
    browser.size((768, 1024)).await;
    browser.go(&server.at(&format!("/jobs/{nut}/bit"))).await;
    let carried = browser.wait_text(".carry", "Relief, leading side").await;
    let plan = server.job(&nut).await["plan"].clone();
    let leading = plan["bit"]["grind"]["sides"][0]["front_deg"]["text"].as_str().unwrap().to_owned();
    assert!(carried.contains(&leading), "{carried}");
    browser.click_text(".views .choice", "In the bore").await;
    browser.find(".views .bore-wall").await;
    browser.click_text("button.act", "Grinding sheet").await;
    let sheet = browser.wait_text(".grinding", "Eyes covered").await;
    assert!(sheet.contains(&leading), "{sheet}");
    // Files of it: the drawing at 10:1 with its bar, and the same for a drawing program.
    for (file, word) in [("bit.svg?scale=10", "calibration"), ("bit.dxf", "LWPOLYLINE")] {
        let text = reqwest::get(server.at(&format!("/api/v1/jobs/{nut}/{file}"))).await.unwrap().text().await.unwrap();
        assert!(text.contains(word), "{file}");
    }
    assert_eq!(reqwest::get(server.at(&format!("/api/v1/jobs/{nut}/bit.svg?scale=3"))).await.unwrap().status(), 422);
    browser.close().await;
}

#[tokio::test]
async fn a_bit_only_guessed_is_carried_to_a_stop_a_reading_and_the_rest_of_the_cut() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    let id = "mill-bearing-stud";
    browser.go(&server.at(&format!("/jobs/{id}/bit"))).await;
    // The bit of the drawer is picked, then told anew: 59°, its flat somewhere from 0.3 to 0.5 mm. A slip is named and kept.
    browser.click("button[aria-label^='Tool:']").await;
    browser.wait_text(".shelves", "60° HSS 10 mm").await;
    assert!(browser.axe().await.is_empty(), "{:?}", browser.axe().await);
    browser.click_text(".shelves .choice", "Use it here").await;
    browser.find("button[aria-label='Tool: 60° HSS 10 mm']").await;
    browser.click_text("button.word", "Tell all that was ground").await;
    browser.find(".part-form input").await;
    let fields = browser.page.find_all(By::Css(".part-form input")).await.unwrap();
    fields[0].send_keys("59").await.unwrap();
    fields[3].send_keys("0.5 mm").await.unwrap();
    fields[4].send_keys("0.3 mm" + Key::Enter).await.unwrap();
    browser.wait_text(".part-form .fault", "the narrower first").await;
    retype(&fields[3], "0.3 mm").await;
    retype(&fields[4], "0.5 mm" + Key::Enter).await;
    browser.find("button[aria-label*='at most, guessed']").await;
    browser.wait_text(".station aside", "As ground").await;
    let told = browser.noted("of infeed").await;
    // 0.2/(2 tan 30°) = 0.173 mm of infeed; half a degree narrow each side is felt, and may be left.
    assert!(told.contains("0.0068 in of infeed") || told.contains("0.173 mm of infeed"), "{told}");
    browser.wait_text(".station aside", "29.50°").await;
    assert!(browser.axe().await.is_empty(), "{:?}", browser.axe().await);

    browser.keys(["6"]).await;
    browser.click("button[aria-label^='Cutting passes']").await;
    retype(&browser.find(".editor input").await, "6" + Key::Enter).await;
    browser.wait_text(".own", "6 passes").await;
    let plan = server.job(id).await["plan"].clone();
    let passes = plan["run"]["passes"].as_array().unwrap().clone();
    browser.keys(["l"]).await;
    browser.all_the_same().await;
    for pass in &passes {
        browser.find(&format!("[data-pass='{}']", pass["n"])).await;
        tokio::time::sleep(Duration::from_millis(760)).await;
        browser.keys([" "]).await;
    }
    browser.wait_text(".pass-name", "Measure").await;
    // The true flat is 0.36: the thread is still large, by what a flat of 0.36 reaches deeper than one of 0.5.
    let number = |at: &str| plan.pointer(at).unwrap().as_f64().unwrap();
    let deepest = passes.last().unwrap()["radial_mm"].as_f64().unwrap();
    let reach = (25.4 / 9.0 / 4.0 - 0.36 / 2.0) / 30.0_f64.to_radians().tan();
    let over = number("/run/start_mm") - 2.0 * (deepest - reach) + number("/run/wires/sum_mm");
    browser.keys(["m"]).await;
    browser.find("[role=dialog] input").await;
    browser.keys([format!("{over:.3} mm{}", Key::Enter + "")]).await;
    browser.wait_text(".strip", "more off the diameter").await;
    let run = server.job(id).await["run"].clone();
    let left = run["schedule"].as_array().unwrap().last().unwrap()["pass"]["radial_mm"].as_f64().unwrap() - deepest;
    let size = over - number("/run/wires/sum_mm") - 2.0 * left;
    assert!((size - number("/run/target_mm")).abs() < 0.05, "what is left comes to the aim: {size}");
    let found = run["tip"]["flat_mm"].as_f64().unwrap();
    assert!((found - 0.36).abs() < 0.03, "{run}");
    // The bit keeps what was found.
    browser.go(&server.at(&format!("/jobs/{id}/bit"))).await;
    browser.click(".notes-key").await;
    browser.wait_text("[role=dialog] .notes", "By 1 reading the tip is").await;
    browser.click_text("button.act", "Keep it with").await;
    browser.find_text("button.act", "Kept with 60° HSS 10 mm").await;
    let kit: serde_json::Value = reqwest::get(server.at("/api/v1/kit")).await.unwrap().json().await.unwrap();
    assert_eq!(kit["bits"][0]["tip_flat_mm"].as_f64(), Some(found));
    browser.close().await;
}

#[tokio::test]
async fn a_bar_too_thick_is_refused_with_its_numbers_and_an_insert_is_added_by_touch() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    browser.size((1024, 768)).await;
    browser.look(true).await;
    browser.go(&server.at("/")).await;
    browser.find("input[aria-label=Callout]").await.send_keys("M16x1.5-6H" + Key::Enter).await.unwrap();
    browser.wait_text(".sentence", "M16×1.5-6H").await;
    browser.keys(["4"]).await;
    browser.find("main[data-station=bit]").await;
    browser.touch("button[aria-label^='Tool:']").await;
    // The bore at its least is 14.376: half a millimetre each side leaves 13.376, and the bar spans 16.
    let shelves = browser.wait_text(".shelves", "will not do").await;
    assert!(shelves.contains("It spans 16.0 mm tip to back and the bore lets in 13.4 mm") && shelves.contains("finishing tap"), "{shelves}");
    browser.click_text(".shelves .choice", "Use it here").await;
    let warned = browser.wait_text(".station aside", "picked will not do").await;
    assert!(warned.contains("13.4 mm"), "{warned}");
    // An insert goes into the drawer; one without a name is refused by its field, and nothing typed is lost.
    browser.touch("button[aria-label^='Tool:']").await;
    browser.click_text(".shelves button", "Add an insert").await;
    browser.find(".part-form input").await;
    let fields = browser.page.find_all(By::Css(".part-form input")).await.unwrap();
    retype(&fields[4], "0.05 mm").await;
    browser.click_text(".part-form button", "Keep it").await;
    browser.wait_text(".part-form .fault", "a name of 1 to 80 letters").await;
    fields[0].send_keys("small bar insert" + Key::Enter).await.unwrap();
    let shelves = browser.wait_text(".shelves", "small bar insert").await;
    assert!(shelves.contains("never backed out"), "{shelves}");
    // It breaks, and the drawer knows.
    browser.page.find(By::XPath("//section[h3[contains(., 'small bar insert')]]//button[contains(., 'known of it')]")).await.unwrap().click().await.unwrap();
    browser.click_text(".held .choice", "It broke").await;
    browser.wait_text(".shelves", "It is marked broken.").await;
    let kit: serde_json::Value = reqwest::get(server.at("/api/v1/kit")).await.unwrap().json().await.unwrap();
    assert_eq!(kit["inserts"][0]["condition"], "broken", "{kit}");
    assert!(kit["inserts"][0]["history"][0]["what"].as_str().unwrap().starts_with("broken"), "{kit}");
    assert!(browser.axe().await.is_empty(), "{:?}", browser.axe().await);
    browser.close().await;
}
