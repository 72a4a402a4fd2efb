//! The whole part: the paddle pair's route from blank to fit, six turnbuckle ends as a batch, and the day dragged about.

use serde_json::json;
use thirtyfour::prelude::*;
use yoke_e2e::{Browser, Server, retype};

#[tokio::test]
async fn the_paddle_pair_goes_by_its_route_from_blank_to_fit() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    let screw = "paddle-screw-and-nut";
    // Asked for the nut first: the screw is fitted to it as made.
    server.tell(screw, json!({"mate": {"school": "internal_first"}})).await;
    browser.go(&server.at(&format!("/jobs/{screw}/thread"))).await;
    browser.wait_text(".sentence", "Acme").await;
    browser.keys(["r"]).await;
    let route = browser.wait_text(".wide-side", "Before it leaves this chuck").await;
    assert!(route.find("The nut").unwrap() < route.find("The screw").unwrap(), "{route}");
    assert!(browser.page.find_all(By::Css(".remarks li")).await.unwrap().is_empty());
    assert!(browser.axe().await.is_empty(), "{:?}", browser.axe().await);
    // An operation put in the wrong order by key is told what that costs, and one touch mends it.
    let bore = browser.find_text(".handle", "").await;
    assert!(bore.attr("aria-label").await.unwrap().unwrap().starts_with("Saw the stock"));
    bore.focus().await.unwrap();
    bore.send_keys(Key::Down + "").await.unwrap();
    browser.wait_text(".remarks", "“Saw the stock” stands after “Face the end”").await;
    browser.touch(".remarks .act").await;
    browser.wait_text(".how", "As you changed it").await;
    browser.comes_to("return document.querySelectorAll('.remarks li').length", 0).await;
    // One of one's own, noted and renamed, then the operations before the thread ticked by touch.
    browser.click_text(".chucking:nth-of-type(1) header .choice", "Add an operation").await;
    browser.click_text(".happened .choice", "Your own").await;
    browser.wait_text("aside h2", "Your own operation").await;
    let fields = browser.page.find_all(By::Css("aside .op-form:not(.took) input")).await.unwrap();
    retype(&fields[0], "stop at the third notch").await;
    retype(&fields[1], "Stamp the paddle's number").await;
    browser.click_text("aside .act", "Set").await;
    browser.wait_text(".chucking", "Noted: stop at the third notch").await;
    let job = server.job(screw).await;
    let nut = job["members"][0]["id"].as_str().unwrap().to_owned();
    for n in 1..=5 {
        browser.touch(&format!(".chucking:nth-of-type(1) li:nth-child({n}) .tick")).await;
    }
    browser.find(".chucking:nth-of-type(1) li:nth-child(5) .done-op").await;
    // To the nut's own cut, where it is cut and read; the route then knows.
    browser.click_text(".chucking:nth-of-type(1) .op", "Thread").await;
    browser.click_text("aside .word", "to its cut").await;
    browser.wait_text(".sentence", "internal").await;
    let plan = server.job(&nut).await["plan"].clone();
    server.cut(&nut, &plan["run"]["passes"], "p").await;
    let size = plan["run"]["target_mm"].clone();
    server.act(&nut, "m", json!({"kind": "measured", "pitch_diameter_mm": size, "instrument": "thread micrometer"})).await;
    browser.go(&server.at(&format!("/jobs/{nut}/route"))).await;
    browser.wait_text(".leave .holds", "is proven").await;
    // Everything of the nut ticked, the screw's thread is held to what was measured.
    let fitted = server.job(screw).await;
    assert!((fitted["plan"]["pair"]["mate_made_mm"]["value"].as_f64().unwrap() - size.as_f64().unwrap()).abs() < 1e-6);
    server.cut(screw, &fitted["plan"]["run"]["passes"], "p").await;
    browser.go(&server.at(&format!("/jobs/{screw}/gauge"))).await;
    browser.wait_text(".carry", "Over wires").await;
    browser.keys(["m"]).await;
    // With a mate at hand that is offered first; it is read over wires.
    browser.click_text("[role=dialog] button", "Three wires").await;
    let aim = fitted["plan"]["gauge"]["over_wires_mm"]["target"]["value"].as_f64().unwrap();
    retype(&browser.find("[role=dialog] input").await, format!("{aim:.3} mm{}", Key::Enter + "")).await;
    browser.wait_text(".verdict", "In limits").await;
    server.act(screw, "fit", json!({"kind": "tried", "fit": "free"})).await;
    browser.keys(["r"]).await;
    browser.wait_text(".chucking:nth-of-type(3)", "The screw").await;
    let boxes = "return document.querySelectorAll('.tick input:not(:checked)').length";
    let left = browser.script(boxes).await.as_u64().unwrap();
    for n in (0..left).rev() {
        browser.script("document.querySelector('.tick input:not(:checked)').click()").await;
        browser.comes_to(boxes, n).await;
    }
    browser.wait_text(".wide-side .how", ", 0 min of it to come").await;
    assert!(browser.blocked().await.is_empty(), "{:?}", browser.blocked().await);
    browser.close().await;
}

#[tokio::test]
async fn six_turnbuckle_ends_are_cut_as_a_batch_with_drift_and_one_scrapped() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    browser.size((768, 1024)).await;
    browser.go(&server.at("/")).await;
    browser.click_text(".jobs a", "Turnbuckle ends, six").await;
    browser.wait_text(".next-part", "Next: part 1").await;
    // A plain size for every part; what is wrong with one is said by its name.
    browser.click_text(".act", "Plain sizes").await;
    let fields = browser.page.find_all(By::Css("[role=dialog] .lengths input")).await.unwrap();
    for (field, text) in fields.iter().zip(["16 mm", "0", "-0.11 mm"]) {
        retype(field, text).await;
    }
    browser.touch("[role=dialog] .lengths .act").await;
    browser.wait_text("[role=dialog] .fault", "has a name").await;
    retype(&fields[3], "shank").await;
    browser.touch("[role=dialog] .lengths .act").await;
    browser.wait_text(".plain-size", "shank").await;
    browser.touch("[role=dialog] .mantine-Modal-close").await;
    browser.wait_text(".tally", "15.890 to 16.000 mm").await;
    let rows = browser.page.find_all(By::Css(".tally tbody tr")).await.unwrap();
    assert_eq!(rows.len(), 6);
    let batch = async || reqwest::get(server.at("/api/v1/jobs/turnbuckle-ends--six/batch")).await.unwrap().json::<serde_json::Value>().await.unwrap();
    let jobs: Vec<String> = batch().await["tally"]["rows"].as_array().unwrap().iter().map(|r| r["job"].as_str().unwrap().to_owned()).collect();
    let spread = [0.0, 0.012, -0.01, 0.008, -0.006];
    for (i, (job, off)) in jobs.iter().zip(spread).enumerate() {
        let plan = server.job(job).await["plan"].clone();
        server.cut(job, &plan["run"]["passes"], "p").await;
        let size = plan["run"]["target_mm"].as_f64().unwrap() + off;
        server.act(job, "m", json!({"kind": "measured", "pitch_diameter_mm": size})).await;
        let row = i + 1;
        browser.wait_text(&format!(".tally tbody tr:nth-child({row})"), "in limits").await;
        // The shank is told at the screen, by touch; in the other unit it is asked again.
        browser.touch(&format!("[aria-label='Size of part {row}']")).await;
        if i == 0 {
            retype(&browser.find("[role=dialog] input").await, format!("0.627 mm{}", Key::Enter + "")).await;
            browser.wait_text("[role=dialog] .fault", "other unit").await;
        }
        retype(&browser.find("[role=dialog] input").await, format!("{:.3} mm{}", 15.90 + 0.02 * f64::from(u32::try_from(i).unwrap()), Key::Enter + "")).await;
        browser.wait_text(&format!(".tally tbody tr:nth-child({row})"), &format!("{:.2}", 15.90 + 0.02 * f64::from(u32::try_from(i).unwrap()))).await;
    }
    let drift = browser.wait_text("[aria-label='Drift of shank']", "0.020 mm larger a part").await;
    assert!(drift.contains("set the next 0.055 mm smaller"), "{drift}");
    // The third is spoilt: scrapped with why, and begun again in its place.
    browser.touch("[aria-label='Scrap part 3']").await;
    retype(&browser.find("[role=dialog] input").await, "dug in at the relief").await;
    browser.touch("[role=dialog] .op-form .act").await;
    browser.wait_text(".wide-side h2", "4 of 6 good, 1 scrapped").await;
    browser.touch("[aria-label='Begin again part 3']").await;
    browser.wait_text(".next-part", "Next: part 3").await;
    assert!(browser.axe().await.is_empty(), "{:?}", browser.axe().await);
    // It begins from what the last found, because the switch says so; without it nothing is carried.
    browser.click(".next-part .switch input").await;
    browser.find(".next-part .switch input:checked").await;
    browser.touch(".next-part .act").await;
    browser.wait_text(".sentence", "M16").await;
    let now = batch().await;
    let new = now["next"]["job"].as_str().unwrap();
    assert_eq!(server.job(new).await["request"]["bit"]["tip_flat_between_mm"], now["carried"]["flat_mm"]);
    assert!(server.job(&jobs[5]).await["request"]["bit"]["tip_flat_between_mm"].is_null());
    // The tally goes out as a sheet, a line a part, the scrapped among them.
    let sheet = reqwest::get(server.at("/api/v1/jobs/turnbuckle-ends--six/batch.csv")).await.unwrap().text().await.unwrap();
    assert!(sheet.lines().count() == 8 && sheet.contains("dug in at the relief"), "{sheet}");
    assert!(browser.blocked().await.is_empty(), "{:?}", browser.blocked().await);
    browser.close().await;
}

#[tokio::test]
async fn the_days_order_is_dragged_about_and_goes_back() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    browser.go(&server.at("/")).await;
    browser.click_text(".act", "Put the day in order").await;
    let best = browser.wait_text(".reorder", "Hydrant union").await;
    // The last is dragged to the top by its handle.
    let at = browser
        .script("const b = [...document.querySelectorAll('.handle')].map(h => h.getBoundingClientRect()); const m = r => [r.x + r.width / 2, r.y + r.height / 2]; return [m(b.at(-1)), m(b[0])]")
        .await;
    let last = browser.page.find_all(By::Css(".handle")).await.unwrap().pop().unwrap();
    #[allow(clippy::cast_possible_truncation)]
    let up = (at[1][1].as_f64().unwrap() - at[0][1].as_f64().unwrap()) as i64 - 6;
    let drag = browser.page.action_chain().move_to_element_center(&last).click_and_hold();
    drag.move_by_offset(0, up / 2).move_by_offset(0, up - up / 2).release().perform().await.unwrap();
    let told = browser.wait_text("[role=dialog]", "in your own order").await;
    assert!(told.find("Turnbuckle").unwrap() < told.find("Hydrant").unwrap(), "{told}");
    assert!(browser.axe().await.is_empty(), "{:?}", browser.axe().await);
    // Kept, and moved on by key; then back.
    browser.page.refresh().await.unwrap();
    browser.click_text(".act", "Put the day in order").await;
    browser.wait_text("[role=dialog]", "in your own order").await;
    browser.find(".handle").await.send_keys(Key::Down + "").await.unwrap();
    browser.wait_text(".reorder li:nth-child(2)", "Turnbuckle").await;
    // The focus goes with it, so the next key moves it on.
    browser.keys([Key::Down + ""]).await;
    browser.wait_text(".reorder li:nth-child(3)", "Turnbuckle").await;
    browser.click_text("[role=dialog] .act", "Back to the order").await;
    browser.wait_text("[role=dialog]", "where the order of the board").await;
    assert_eq!(browser.text(".reorder").await, best);
    browser.close().await;
}
