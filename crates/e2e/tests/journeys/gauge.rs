//! Gauge: fitted by feel alone, over size and cut to size, a reading that cannot be right.

use serde_json::{Value, json};
use thirtyfour::prelude::*;
use yoke_e2e::{Browser, Server, retype};

/// A job with its first passes cut, as another screen would have marked them.
async fn cut(server: &Server, id: &str, facts: Value) -> Value {
    let job = server.tell(id, facts).await;
    server.cut(id, &job["plan"]["run"]["passes"], "p").await;
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
    browser.stand(&server.at(&format!("/jobs/{id}/at-the-lathe"))).await;
    browser.wait_text(".pass-name", "Measure").await;
    let measure = By::XPath("//footer//button[contains(., 'Measure')]");
    let mut stood = job["run"]["stands_mm"].as_f64().unwrap();
    for (felt, turns) in [("Will not enter", None), ("Enters some turns", Some("2.5")), ("tight", None)] {
        browser.page.find(measure.clone()).await.unwrap().click().await.unwrap();
        browser.wait_text("[role=dialog]", "chips out of the mate").await;
        browser.click_text(".mate-fits .choice", felt).await;
        if let Some(turns) = turns {
            let field = browser.find("[role=dialog] input").await;
            field.send_keys("some" + Key::Enter).await.unwrap();
            browser.wait_text("[role=dialog] .fault", "number of turns").await;
            retype(&field, format!("{turns}{}", Key::Enter + "")).await;
        }
        browser.click_text(".mate-fits .choice", "Nothing: the threads alone").await;
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
    browser.click_text(".mate-fits .choice", "Runs free").await;
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
    browser.click_text(".actions .act", "Measured, or tried").await;
    browser.click_text("[role=dialog] .way", "Thread micrometer").await;
    // A whole turn of this dial from where the thread must be.
    let turn =
        2.0 * run["dial"]["divisions"].as_f64().unwrap() * run["dial"]["graduation_mm"].as_f64().unwrap() / run["dial"]["reading_per_radial"].as_f64().unwrap();
    let field = browser.find("[role=dialog] input").await;
    retype(&field, format!("{:.3} mm{}", aim - turn, Key::Enter + "")).await;
    browser.wait_text("[role=dialog]", "whole turn of the dial").await;
    retype(&field, format!("{:.3} mm{}", most + 0.05, Key::Enter + "")).await;
    let said = browser.wait_text(".verdict", "Take more").await;
    assert!(said.contains("It should come to"), "{said}");
    browser.noted("springs away").await;
    let next = server.job(id).await["run"]["schedule"].as_array().unwrap().last().unwrap()["pass"]["radial_mm"].as_f64().unwrap();
    // Even if nothing of it springs away, the cut advised stays inside the low limit.
    let after = most + 0.05 - 2.0 * (next - job["run"]["stands_mm"].as_f64().unwrap());
    assert!(after > run["limits_mm"][0].as_f64().unwrap() && after < most, "{after}");
    browser.keys(["l"]).await;
    browser.all_the_same().await;
    for _ in 0..server.job(id).await["run"]["schedule"].as_array().unwrap().len() {
        browser.one_pass().await;
    }
    browser.wait_text(".pass-name", "Measure").await;
    browser.keys(["m"]).await;
    browser.click_text("[role=dialog] .way", "Thread micrometer").await;
    retype(&browser.find("[role=dialog] input").await, format!("{after:.3} mm{}", Key::Enter + "")).await;
    browser.wait_text(".pass-name", "In limits").await;
    // The exact answer stands beside the trade's.
    browser.go(&server.at("/jobs/paddle-screw-and-nut/gauge")).await;
    browser.noted("exact seat 0.0001 in less").await;
    browser.close().await;
}

#[tokio::test]
async fn a_trouble_is_followed_to_its_cure_at_the_lathe() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    browser.size((1024, 768)).await;
    let id = "turnbuckle-ends--six";
    let job = cut(&server, id, json!({"bit": {"included_angle_deg": 60, "tip_flat_mm": 0.2}})).await;
    let aim = job["plan"]["run"]["target_mm"].as_f64().unwrap();
    browser.stand(&server.at(&format!("/jobs/{id}/at-the-lathe"))).await;
    browser.wait_text(".pass-name", "Measure").await;
    browser.keys(["m"]).await;
    browser.click_text("[role=dialog] .way", "Thread micrometer").await;
    retype(&browser.find("[role=dialog] input").await, format!("{aim:.3} mm{}", Key::Enter + "")).await;
    browser.wait_text(".pass-name", "In limits").await;
    // It measures right, and the nut says no.
    browser.keys(["m"]).await;
    browser.click_text("[role=dialog] .way", "The mate").await;
    browser.click_text(".mate-fits .choice", "Will not enter").await;
    browser.click_text(".mate-fits .choice", "Nothing: the threads alone").await;
    browser.wait_text(".told", "burr").await;
    browser.keys(["t"]).await;
    browser.wait_text(".already", "A burr, or a torn crest").await;
    assert!(browser.axe().await.is_empty(), "{:?}", browser.axe().await);
    browser.click_text(".symptoms .choice", "the nut says no").await;
    // What the numbers show stands first and open; the train and the size are spoken against by theirs.
    let first = browser.wait_text(".causes .cause:first-child", "The numbers show it").await;
    assert!(first.contains("burr") && first.contains("fingernail"), "{first}");
    assert!(browser.text(".causes").await.contains("Unlikely here"));
    assert!(browser.axe().await.is_empty(), "{:?}", browser.axe().await);
    browser.click_text(".causes .cause:first-child .act", "That is it").await;
    let cure = browser.wait_text(".causes .cause:first-child", "✓ Found").await;
    assert!(cure.contains("Take the burr off") && cure.contains("Dress the crests") && cure.contains("left-handed"), "{cure}");
    browser.keys([Key::Escape + ""]).await;
    browser.click_text("footer .lathe-key", "Else").await;
    browser.click_text(".happened .choice", "spring pass").await;
    browser.wait_text(".pass-name", "Measure").await;
    browser.keys(["m"]).await;
    browser.click_text("[role=dialog] .way", "The mate").await;
    browser.click_text(".mate-fits .choice", "Runs free").await;
    browser.wait_text(".pass-name", "In limits").await;
    let sheet: Value = reqwest::get(server.at(&format!("/api/v1/jobs/{id}/trouble"))).await.unwrap().json().await.unwrap();
    let shown = |code: &str| sheet["shown"].as_array().unwrap().iter().any(|c| c == code);
    assert!(sheet["told"] == "wires_yes_nut_no" && !shown("burr") && !shown("metal_left"), "{}", sheet["shown"]);
    browser.close().await;
}

#[tokio::test]
async fn the_pair_is_finished_to_fit() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    // The screw was cut first, and measured over its wires with a micrometer that reads a hundredth high at nought.
    let id = "paddle-screw-and-nut";
    let screw = cut(&server, id, json!({"mate": {"school": "external_first"}})).await;
    browser.go(&server.at(&format!("/jobs/{id}/gauge"))).await;
    browser.click_text(".actions .act", "Wires").await;
    let wires = browser.wait_text(".wires", "✓").await;
    assert!(wires.contains("below the crests") || wires.contains("bears on the crests"), "{wires}");
    assert!(browser.axe().await.is_empty(), "{:?}", browser.axe().await);
    browser.keys([Key::Escape + ""]).await;
    let aim = screw["plan"]["gauge"]["over_wires_mm"]["target"]["value"].as_f64().unwrap();
    let read = json!({"kind": "measured", "over_wires_mm": aim + 0.01, "zero_mm": 0.01, "instrument": "the yard's own"});
    server.act(id, "read", read).await;
    let made = screw["plan"]["run"]["target_mm"].as_f64().unwrap();
    let screw = server.job(id).await;
    assert!((screw["run"]["verdict"]["pitch_diameter_mm"]["value"].as_f64().unwrap() - made).abs() < 1e-6, "the zero is taken off");
    // The nut is held to the screw as made, and fitted to it by feel.
    let nut = screw["members"][0]["id"].as_str().unwrap().to_owned();
    let job = cut(&server, &nut, json!({"mate": {"school": "external_first"}, "gauge": {"proof": "mate", "mate_at_hand": true}})).await;
    let low = job["plan"]["run"]["limits_mm"][0].as_f64().unwrap();
    assert!(low > made, "{low} {made}");
    browser.stand(&server.at(&format!("/jobs/{nut}/at-the-lathe"))).await;
    browser.wait_text(".pass-name", "Measure").await;
    browser.keys(["m"]).await;
    browser.click_text(".mate-fits .choice", "tight").await;
    browser.click_text(".mate-fits .choice", "Nothing: the threads alone").await;
    browser.wait_text(".strip", "try it again").await;
    for _ in 0..server.job(&nut).await["run"]["schedule"].as_array().unwrap().len() {
        browser.one_pass().await;
    }
    browser.wait_text(".pass-name", "Measure").await;
    browser.keys(["m"]).await;
    browser.click_text(".mate-fits .choice", "Runs free").await;
    browser.wait_text(".pass-name", "In limits").await;
    let run = server.job(&nut).await["run"].clone();
    // The screw's size, found by trying it, is the one it was measured to.
    let mate = run["tip"]["mate_mm"].as_f64().unwrap();
    assert!((mate - made).abs() < 0.03, "{mate} {made}");
    browser.close().await;
}

#[tokio::test]
async fn two_sizes_of_wire_tell_the_flank_and_places_along_the_taper() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    let id = "mill-bearing-stud";
    cut(&server, id, json!({"bit": {"included_angle_deg": 60, "tip_flat_mm": 0.36}})).await;
    let sheet: Value = reqwest::get(server.at(&format!("/api/v1/jobs/{id}/gauge"))).await.unwrap().json().await.unwrap();
    let wires: Vec<&Value> = sheet["wires"].as_array().unwrap().iter().filter(|w| w["serves"] == true).collect();
    let over = |w: &Value, by: &str| w[by]["target"]["value"].as_f64().unwrap();
    browser.go(&server.at(&format!("/jobs/{id}/gauge"))).await;
    browser.wait_text(".carry", "Over wires").await;
    let before = server.job(id).await["sequence"].as_u64().unwrap();
    // The plan's own wire, at the aim; then a thicker one, at the aim too: the flanks stand as they should.
    for (i, wire) in (0_u64..).zip([wires[0], wires[1]]) {
        browser.keys(["m"]).await;
        browser.find("[role=radiogroup] button").await;
        if i == 1 {
            browser.script("document.querySelectorAll('[role=dialog] [role=radiogroup] button')[1].click()").await;
        }
        retype(&browser.find("[role=dialog] input").await, format!("{:.4} mm{}", over(wire, "over_mm"), Key::Enter + "")).await;
        browser.wait_text(".verdict", "In limits").await;
        server.comes_to(id, "/sequence", before + 1 + i).await;
    }
    let said = browser.noted("By two wires").await;
    assert!(said.contains("as it should"), "{said}");
    // Over one wire and the crests: the size over the crests is told beside it.
    browser.keys(["m"]).await;
    browser.click_text("[role=dialog] .way", "One wire").await;
    browser.find(".editor .beside input").await.send_keys("22.0 mm").await.unwrap();
    let one = f64::midpoint(over(wires[0], "over_mm"), 22.0);
    let before = server.job(id).await["sequence"].as_u64().unwrap();
    retype(&browser.find("[role=dialog] input").await, format!("{one:.4} mm{}", Key::Enter + "")).await;
    server.comes_to(id, "/sequence", before + 1).await;
    let size = server.job(id).await["run"]["verdict"]["pitch_diameter_mm"].clone();
    let target = server.job(id).await["plan"]["run"]["target_mm"].as_f64().unwrap();
    assert!((size["value"].as_f64().unwrap() - target).abs() < 1e-3 && size["doubt"].as_f64() == Some(0.01), "{size}");
    // By micrometer at two places: it tapers, and says by how much.
    browser.keys(["m"]).await;
    browser.click_text("[role=dialog] .way", "Thread micrometer").await;
    browser.click_text("[role=dialog] .act", "Another place").await;
    browser.find(".place input").await;
    let places = browser.page.find_all(By::Css(".place input")).await.unwrap();
    places[0].send_keys(format!("{:.3} mm", target + 0.03)).await.unwrap();
    places[1].send_keys("40 mm").await.unwrap();
    places[2].send_keys("a bit").await.unwrap();
    retype(&browser.find("[role=dialog] input").await, format!("{target:.3} mm{}", Key::Enter + "")).await;
    browser.wait_text("[role=dialog] .fault", "number of degrees").await;
    retype(&places[2], "0").await;
    browser.click_text("[role=dialog] .act", "Judge it").await;
    let said = browser.wait_text(".verdict", "Tapers").await;
    assert!(said.contains("0.0012 in larger at the far end, over 1.57 in"), "{said}");
    browser.close().await;
}

#[tokio::test]
async fn a_bit_changed_and_not_measured_is_told_by_touching_the_groove() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    let id = "mill-bearing-stud";
    let job = server.tell(id, json!({"bit": {"included_angle_deg": 60, "tip_flat_mm": 0.35}})).await;
    let nine: Value = job["plan"]["run"]["passes"].as_array().unwrap()[..9].into();
    server.cut(id, &nine, "p").await;
    let number = |of: &Value| of.as_f64().unwrap();
    let run = &job["plan"]["run"];
    let (start, stood) = (number(&run["start_mm"]), number(&nine[8]["radial_mm"]));
    let size = start - 2.0 * (stood - number(&run["tip_to_pitch_mm"]));
    server.act(id, "read", json!({"kind": "measured", "pitch_diameter_mm": size})).await;
    browser.stand(&server.at(&format!("/jobs/{id}/at-the-lathe"))).await;
    browser.keys(["o"]).await;
    browser.click_text("[role=dialog] .choice", "Changed the bit").await;
    browser.find("[role=dialog] input").await.send_keys(Key::Enter + "").await.unwrap();
    // Nothing deeper is offered till it has touched.
    browser.wait_text(".pass-name", "Find the groove").await;
    assert!(server.job(id).await["run"]["next"].is_null());
    let touched = || async { browser.click_text(".told .lathe-key", "It touched at").await };
    touched().await;
    browser.find("[role=dialog] input").await;
    assert!(browser.axe().await.is_empty(), "{:?}", browser.axe().await);
    // A flat of half a millimetre meets both flanks where the groove is as wide, by coordinates.
    let pitch = 25.4 / 9.0;
    let touches = (start - size) / 2.0 + (pitch / 2.0 - 0.5) / (2.0 * 30.0_f64.to_radians().tan());
    let reading = touches * number(&run["dial"]["reading_per_radial"]);
    // Where no tip could touch is said with where it could, and what was typed stays.
    let field = browser.find("[role=dialog] input").await;
    retype(&field, format!("{:.4}{}", reading * 3.0, Key::Enter + "")).await;
    let refused = browser.wait_text(".lathe", "between").await;
    assert!(refused.contains("groove"), "{refused}");
    browser.click_text(".strip button", "Leave it").await;
    touched().await;
    retype(&browser.find("[role=dialog] input").await, format!("{reading:.4}{}", Key::Enter + "")).await;
    browser.find("[data-pass]").await;
    let run = server.job(id).await["run"].clone();
    assert!((number(&run["stands_mm"]) - touches).abs() < 0.002 && !run["next"].is_null(), "{run}");
    browser.close().await;
}
