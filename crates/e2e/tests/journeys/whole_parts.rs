//! Parts told on their drawing and followed to paper: a stub shaft, a pump body, a spindle with its nuts, a drill-rod screw; and one spoilt.

use serde_json::{Value, json};
use thirtyfour::prelude::*;
use yoke_e2e::{Browser, Server, retype};

/// Makes a job on a lathe, with its facts.
async fn made(server: &Server, title: &str, lathe: &str, request: Value) -> String {
    let mut request = request;
    request["lathe_id"] = json!(lathe);
    let answer = reqwest::Client::new().post(server.at("/api/v1/jobs")).json(&json!({"title": title, "request": request})).send().await.unwrap();
    answer.json::<Value>().await.unwrap()["id"].as_str().unwrap().to_owned()
}

/// Adds another member to its part.
async fn member(server: &Server, id: &str, body: Value) -> String {
    let revision = server.job(id).await["revision"].to_string();
    let answer = reqwest::Client::new().post(server.at(&format!("/api/v1/jobs/{id}/members"))).header("If-Match", revision).json(&body).send().await.unwrap();
    answer.json::<Value>().await.unwrap()["id"].as_str().unwrap().to_owned()
}

async fn lathe(server: &Server, name: &str) -> String {
    let lathes = reqwest::get(server.at("/api/v1/lathes")).await.unwrap().json::<Value>().await.unwrap();
    lathes.as_array().unwrap().iter().find(|l| l["name"] == name).unwrap()["id"].as_str().unwrap().to_owned()
}

/// Tells a size in the leaf that is open: its fields in their order.
async fn size(browser: &Browser, kind: &str, texts: &[(usize, &str)]) {
    browser.click_text("[role=dialog] .choice", kind).await;
    let fields = browser.page.find_all(By::Css("[role=dialog] input")).await.unwrap();
    for (at, text) in texts {
        retype(&fields[*at], *text).await;
    }
    browser.touch("[role=dialog] form .act").await;
}

/// Adds an operation to a chucking of the route, and tells what it asks.
async fn operation(browser: &Browser, chucking: usize, name: &str, told: &[&str]) {
    browser.click_text(&format!(".chucking:nth-of-type({chucking}) header .choice"), "Add an operation").await;
    browser.click_text(".happened .choice", name).await;
    browser.wait_text("aside h2", name).await;
    if told.is_empty() {
        return;
    }
    let fields = browser.page.find_all(By::Css("aside .part-form input")).await.unwrap();
    for (field, text) in fields.iter().zip(told) {
        retype(field, *text).await;
    }
    browser.touch("aside .part-form .act").await;
    browser.quiet().await;
}

#[tokio::test]
async fn a_stub_shaft_is_told_on_its_drawing_and_goes_to_paper_with_its_grooves_and_its_nut() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    let gap = lathe(&server, "Gap bed").await;
    let shaft = made(
        &server,
        "Swing-bridge stub shaft",
        &gap,
        json!({"thread": {"callout": "M24x2-6g", "length_mm": 30}, "blank": {"shoulder": true, "shoulder_mm": 32}}),
    )
    .await;
    member(&server, &shaft, json!({"mate": true, "title": "Castle nut of the stub shaft"})).await;
    browser.go(&server.at(&format!("/jobs/{shaft}/thread"))).await;
    browser.wait_text(".sentence", "M24").await;
    browser.keys(["e"]).await;
    browser.wait_text(".part-sentence", "the shoulder ⌀ 32, as long as was not told").await;
    // Told by its word: the shoulder becomes a journal with its limits.
    browser.click_text(".part-sentence .word", "the shoulder").await;
    browser.find("[role=dialog] form:nth-of-type(2)").await;
    let fields = browser.page.find_all(By::Css("[role=dialog] form:nth-of-type(2) input")).await.unwrap();
    for (at, text) in [(0, "journal"), (2, "-0.02 mm"), (3, "-0.05 mm"), (4, "46 mm")] {
        retype(&fields[at], text).await;
    }
    browser.touch("[role=dialog] form:nth-of-type(2) .act").await;
    browser.wait_text(".part-sentence", "journal ⌀ 32 × 46 mm").await;
    browser.wait_text("aside", "31.950 to 31.980 mm").await;
    // And more, each behind the last; a size that cannot be is said at its field, and nothing typed is lost.
    browser.click_text(".part-sentence .choice", "and more").await;
    size(&browser, "hexagon", &[(0, "spanner"), (1, "30 mm"), (4, "9000 mm")]).await;
    browser.wait_text("[role=dialog] .fault", "5000").await;
    let long = browser.page.find_all(By::Css("[role=dialog] input")).await.unwrap().swap_remove(4);
    assert_eq!(long.value().await.unwrap().as_deref(), Some("9000 mm"));
    retype(&long, format!("12 mm{}", Key::Enter + "")).await;
    browser.wait_text(".part-sentence", "spanner 30 across flats × 12 mm").await;
    browser.wait_text("aside .how", "88 mm from face to face").await;
    assert!(browser.axe().await.is_empty(), "{:?}", browser.axe().await);
    // Touched on the drawing the same opens.
    browser.script("document.querySelector('.dimensions g.touched:last-of-type').dispatchEvent(new MouseEvent('click', {bubbles: true}))").await;
    // The route has its grooves, each with its figure on this lathe's dial; the sheet prints them all.
    browser.go(&server.at(&format!("/jobs/{shaft}/route"))).await;
    browser.wait_text(".wide-side", "The screw").await;
    let screw =
        browser.script("return [...document.querySelectorAll('.chucking')].findIndex(c => c.innerText.includes('The screw')) + 1").await.as_u64().unwrap();
    let at = usize::try_from(screw).unwrap();
    for n in 0..6 {
        operation(&browser, at, "Turn a groove", &["32 mm", "2 mm", "1 mm", &format!("{} mm", 36 + 6 * n)]).await;
    }
    browser.wait_text("aside", "from its touch").await;
    // What the fourth took is told, and the next is reckoned by it.
    let before = browser.text("aside .op-form .how, aside").await;
    assert!(!before.contains("such told"));
    retype(&browser.find("aside .took input").await, "12").await;
    browser.click_text("aside .act", "Done, and it took that").await;
    browser.wait_text("aside", "by the one such told on the Gap bed").await;
    browser.keys(["p"]).await;
    browser.click_text(".sheet-choice .choice", "Drawing sheet").await;
    let sheet = browser.wait_text(".paper", "31.950 to 31.980 mm").await;
    assert!(sheet.contains("M24×2-6g") && sheet.contains("From face to face"), "{sheet}");
    browser.click_text(".sheet-choice .choice", "Route sheet").await;
    let sheet = browser.wait_text(".paper", "Turn a groove").await;
    assert_eq!(sheet.matches("Turn a groove").count(), 6, "{sheet}");
    assert!(sheet.contains("The nut"), "{sheet}");
    assert!(browser.blocked().await.is_empty(), "{:?}", browser.blocked().await);
    browser.close().await;
}

#[tokio::test]
async fn a_drill_rod_screw_is_slotted_hardened_and_let_down_and_one_spoilt_is_begun_again_from_where_it_was() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    browser.size((1024, 768)).await;
    let bench = lathe(&server, "Bench").await;
    let screw =
        made(&server, "Paddle-gear pinch screw", &bench, json!({"thread": {"callout": "M10x1.5-6g", "length_mm": 25}, "blank": {"material": "drill_rod"}}))
            .await;
    browser.go(&server.at(&format!("/jobs/{screw}/route"))).await;
    browser.wait_text(".chucking", "Part").await;
    operation(&browser, 2, "A slot", &["9.9 mm", "1.6 mm", "2.5 mm"]).await;
    operation(&browser, 2, "Harden", &[]).await;
    operation(&browser, 2, "Let it down", &["240"]).await;
    browser.wait_text("aside", "straw").await;
    // One's own, with a picture of it.
    browser.click_text(".chucking:nth-of-type(2) header .choice", "Add an operation").await;
    browser.click_text(".happened .choice", "Your own").await;
    browser.wait_text("aside h2", "Your own operation").await;
    browser.quiet().await;
    let picture = folder.path().join("oil.png");
    std::fs::write(&picture, b"\x89PNG\r\n\x1a\n").unwrap();
    browser.find("aside .photo-key input").await.send_keys(picture.to_str().unwrap()).await.unwrap();
    browser.find("aside .op-photo").await;
    // Cut to the middle and spoilt: it is scrapped with why, and a new one goes on from its thread.
    let plan = server.job(&screw).await["plan"].clone();
    server.act(&screw, "begin", json!({"kind": "pass_done", "n": plan["run"]["passes"][0]["n"], "radial_mm": plan["run"]["passes"][0]["radial_mm"]})).await;
    browser.click_text(".chucking:nth-of-type(1) .op", "Thread").await;
    browser.click_text("aside .act", "Spoilt here").await;
    retype(&browser.find("[role=dialog] input").await, format!("tool drawn late{}", Key::Enter + "")).await;
    browser.wait_text(".sentence", "again").await;
    browser.find(".done-op").await;
    let done = browser.page.find_all(By::Css(".done-op")).await.unwrap().len();
    let ops = browser.script("return [...document.querySelectorAll('.op')].findIndex(o => o.innerText.includes('Thread'))").await.as_u64().unwrap();
    assert_eq!(done as u64, ops, "what stands before the thread is done on the new one");
    browser.keys(["a"]).await;
    browser.wait_text(".tally", "tool drawn late").await;
    browser.keys(["p"]).await;
    browser.click_text(".sheet-choice .choice", "Route sheet").await;
    let sheet = browser.wait_text(".paper", "Let it down").await;
    for says in ["Harden", "slot", "fumes"] {
        assert!(sheet.to_lowercase().contains(&says.to_lowercase()), "{says}: {sheet}");
    }
    browser.close().await;
}

#[tokio::test]
async fn a_spindle_a_pump_body_and_a_collar_on_an_arbor_go_to_paper_each_as_it_is_held() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    let (gap, bench) = (lathe(&server, "Gap bed").await, lathe(&server, "Bench").await);
    let spindle = made(&server, "Tide-mill spindle", &gap, json!({"thread": {"callout": "M20x1.5-6g", "length_mm": 30}, "blank": {"shoulder": true, "shoulder_mm": 26, "holding": "centres", "support": "centre"}})).await;
    let other = member(&server, &spindle, json!({"callout": "M20x1.5-6g LH", "title": "Tide-mill spindle: other end"})).await;
    for of in [&spindle, &other] {
        member(&server, of, json!({"mate": true})).await;
    }
    browser.go(&server.at(&format!("/jobs/{spindle}/part"))).await;
    browser.wait_text(".part-sentence", "M20×1.5-6g LH").await;
    // Three pieces: the spindle and its two nuts, each drawn by itself.
    assert_eq!(browser.page.find_all(By::Css("aside [role=radio]")).await.unwrap().len(), 3);
    browser.go(&server.at(&format!("/jobs/{spindle}/route"))).await;
    let route = browser.wait_text(".wide-side", "between centers").await;
    assert!(route.matches("The nut").count() >= 2, "{route}");
    let nut = browser.script("return [...document.querySelectorAll('.chucking')].findIndex(c => c.innerText.includes('The nut')) + 1").await.as_u64().unwrap();
    operation(&browser, usize::try_from(nut).unwrap(), "On a mandrel", &["18.4 mm", "16 mm"]).await;
    browser.wait_text("aside", "It rises over the length").await;
    browser.keys(["p"]).await;
    browser.click_text(".sheet-choice .choice", "Route sheet").await;
    let sheet = browser.wait_text(".paper", "On a mandrel").await;
    assert!(sheet.contains("end for end") && sheet.contains("between centers"), "{sheet}");
    // A body bored blind in a four-jaw: how it is trued, its bore, the plug it is proven by, all on its card.
    let body = made(&server, "Pump body", &bench, json!({"thread": {"callout": "M36x1.5-6H", "length_mm": 24}, "blank": {"shoulder": true, "outside_mm": 56, "holding": "four_jaw", "plain": [{"name": "overall", "kind": "length", "nominal_mm": 60}, {"name": "suction bore", "kind": "bore", "nominal_mm": 20, "long_mm": 36}]}})).await;
    browser.go(&server.at(&format!("/jobs/{body}/paper"))).await;
    browser.click_text(".sheet-choice .choice", "Drawing sheet").await;
    browser.wait_text(".paper", "35.026 to 35.226 mm").await;
    browser.click_text(".sheet-choice .choice", "Route sheet").await;
    let sheet = browser.wait_text(".paper", "four-jaw").await;
    assert!(sheet.contains("plug"), "{sheet}");
    // On an arbor nothing is sawn off or parted there: it was bored true in the chuck before.
    let collar = made(&server, "Windlass collar", &gap, json!({"thread": {"callout": "M30x1.5-6g", "length_mm": 15}, "blank": {"holding": "arbor"}})).await;
    browser.go(&server.at(&format!("/jobs/{collar}/paper"))).await;
    browser.click_text(".sheet-choice .choice", "Route sheet").await;
    let sheet = browser.wait_text(".paper", "arbor").await;
    assert!(sheet.find("bore it true").unwrap() < sheet.find("on an arbor or mandrel between").unwrap(), "{sheet}");
    // So its stock has the blade and the grip: 15 + 2 + 3 + 24.
    assert!(sheet.contains("44.0 mm") && sheet.contains("24 mm grip"), "{sheet}");
    browser.close().await;
}
