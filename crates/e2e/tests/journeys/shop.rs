//! The shop at the screen: a lathe told from its plate and a heap of gears, files read in, lathes copied, deleted and
//! brought back.

use serde_json::{Value, json};
use thirtyfour::prelude::*;
use yoke_e2e::{Browser, Server, retype};

async fn lathe(server: &Server, id: &str) -> Value {
    reqwest::get(server.at(&format!("/api/v1/lathes/{id}"))).await.unwrap().json().await.unwrap()
}

async fn plan(server: &Server, request: Value) -> Value {
    let client = reqwest::Client::new();
    client.post(server.at("/api/v1/plan")).json(&request).send().await.unwrap().json().await.unwrap()
}

#[tokio::test]
async fn a_lathe_told_from_its_plate_and_a_heap_gives_its_gears() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    browser.go(&server.at("/")).await;
    browser.click_text("a.act", "The shop").await;
    browser.find_text(".jobs b", "Gap bed").await;
    assert!(browser.axe().await.is_empty(), "{:?}", browser.axe().await);
    browser.click_text("button.act", "Describe a lathe").await;
    browser.click_text(".asked .act", "Leave the rest").await;
    retype(&browser.find(".editor input").await, "Tide mill" + Key::Enter).await;
    browser.wait_text("h1", "Tide mill").await;
    browser.click_text(".asked a", "See the lathe whole").await;
    let told = browser.wait_text(".station", "8 TPI, right-hand (assumed)").await;
    assert!(told.contains("Every train is reckoned from it"), "{told}");
    // The leadscrew by key: what does not read is told by its field, and stays.
    browser.find("button[data-part=leadscrew]").await.send_keys(Key::Enter + "").await.unwrap();
    retype(&browser.find(".part-form input").await, "eight" + Key::Enter).await;
    browser.wait_text(".part-form .fault", "“eight” is not a number").await;
    assert_eq!(browser.find(".part-form input").await.prop("value").await.unwrap().unwrap(), "eight");
    retype(&browser.find(".part-form input").await, "8" + Key::Enter).await;
    browser.wait_text(".station", "8 TPI, right-hand").await;
    // The heap, with a range that never comes out first.
    browser.click("button[data-part=gears]").await;
    retype(&browser.find(".part-form textarea").await, "20-63/5, 2x40, 127").await;
    browser.click_text(".part-form .act", "Set").await;
    browser.wait_text(".part-form .fault", "does not come out").await;
    retype(&browser.find(".part-form textarea").await, "20-65/5, 36, 72, 2x40, 127").await;
    assert!(browser.axe().await.is_empty(), "{:?}", browser.axe().await);
    browser.click_text(".part-form .act", "Set").await;
    browser.wait_text(".station", "15 of module 1, 20 to 127 teeth").await;
    // The plate: three rows of four, one cell misread.
    browser.click("button[data-part=gearbox]").await;
    for (row, cells) in ["A", "B", "C"].iter().zip([["8", "9", "10", "11"], ["16", "18", "20", "27"], ["32", "36", "40", "44"]]) {
        for (column, cell) in (1..).zip(cells) {
            browser.find(&format!("input[aria-label='At {row} {column}']")).await.send_keys(cell).await.unwrap();
        }
    }
    browser.click_text(".part-form .act", "Check the plate").await;
    browser.wait_text(".part-form", "B 4: 27 does not fit the rest of the plate; 22 would").await;
    assert!(browser.axe().await.is_empty(), "{:?}", browser.axe().await);
    browser.touch(".misread .choice").await;
    browser.click_text(".part-form .act", "Check the plate").await;
    browser.wait_text(".part-form", "12 lever positions, and they all fit together").await;
    browser.click_text(".part-form .act", "Set").await;
    browser.wait_text(".station", "12 lever positions, 2/11 to 1/1").await;
    // Gears for an inch and a metric thread on it, through the board.
    for (callout, station, inch) in [("7/8-9", "7/8-9", true), ("M20x2.5", "M20×2.5", false)] {
        browser.go(&server.at("/")).await;
        browser.find(".type-and-go select").await.send_keys("Tide mill").await.unwrap();
        browser.find("input[aria-label=Callout]").await.send_keys(callout).await.unwrap();
        browser.wait_text(".card", if inch { "pitch 9 TPI" } else { "pitch 2.5 mm" }).await;
        browser.find("input[aria-label=Callout]").await.send_keys(Key::Enter + "").await.unwrap();
        browser.wait_text(".head .sentence", station).await;
        browser.click_text(".bed a", "Gears").await;
        let shown = browser.wait_text(".carry", "Exact: no error at any length").await;
        assert!(shown.contains(if inch { "0.1111 in" } else { "2.500 mm" }), "{shown}");
    }
    // By hand: 9 TPI stands on the plate at A 2, straight through; 2.5 mm on 8 TPI is 100/127.
    let inch = plan(&server, json!({"thread": {"callout": "7/8-9"}, "lathe_id": "lathe-4"})).await;
    assert_eq!(inch["gears"]["required_ratio"], "8/9");
    let metric = plan(&server, json!({"thread": {"callout": "M20x2.5"}, "lathe_id": "lathe-4"})).await;
    let train = &metric["gears"]["hung"]["train"];
    assert_eq!((metric["gears"]["required_ratio"].as_str(), train["error_ppm"].as_f64()), (Some("100/127"), Some(0.0)));
    assert!(train["driven"].as_array().unwrap().contains(&json!(127)), "{train}");
    browser.close().await;
}

#[tokio::test]
async fn a_metric_pitch_on_an_inch_screw_forbids_the_dial_and_a_train_that_fouls_is_refused() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    browser.size((1024, 768)).await;
    let request = json!({"callout": "M20x2.5-6g", "lathe_id": "long-bed"});
    // The tie rod begun has its own train on; this lathe is as it was before that.
    let mut bare = lathe(&server, "long-bed").await;
    bare["mounted"] = json!({"drivers": [40], "driven": [80]});
    assert!(reqwest::Client::new().put(server.at("/api/v1/lathes/long-bed")).json(&bare).send().await.unwrap().status().is_success());
    let made: Value = reqwest::Client::new().post(server.at("/api/v1/jobs")).json(&request).send().await.unwrap().json().await.unwrap();
    let id = made["id"].as_str().unwrap();
    browser.go(&server.at(&format!("/jobs/{id}/gears"))).await;
    let carried = browser.wait_text(".carry", "Exact: no error at any length").await;
    assert!(carried.contains("Keep it closed"), "{carried}");
    browser.noted("repeats only every 50 leadscrew pitches").await;
    // Opening by the dial all the same is a danger.
    browser.click("button[aria-label^='How each pass ends']").await;
    browser.click_text(".editor .choice", "close it by the dial").await;
    browser.wait_text(".watch .danger", "the dial cannot find the groove again").await;
    // The whole chain in one picture, and the carriage run the other way.
    browser.click("button[aria-label^='Which way everything moves']").await;
    browser.wait_text(".motion-says", "a right-hand thread, as wanted").await;
    assert!(browser.axe().await.is_empty(), "{:?}", browser.axe().await);
    browser.click("button[aria-label^='Which way the carriage runs']").await;
    browser.click_text(".editor .choice", "away from the headstock").await;
    browser.wait_text(".motion-says", "Spindle reversed").await;
    browser.keys([Key::Escape + ""]).await;
    // A train of one's own: not written as one, then one that fouls.
    browser.click("button[aria-label^='Train:']").await;
    let own = ".mantine-Modal-body .lengths input";
    browser.find(own).await.send_keys("24 28" + Key::Enter).await.unwrap();
    browser.wait_text(".lengths .fault", "40·60 / 48·127").await;
    retype(&browser.find(own).await, "24·28 / 127·100" + Key::Enter).await;
    let watch = browser.noted("does not hang").await;
    assert!(watch.contains("the 127 fouls the leadscrew by 14.9 mm"), "{watch}");
    // Keeping the 80 that is on: only trains with it are left.
    browser.click("button[aria-label^='Train:']").await;
    browser.click_text(".mantine-Modal-body .act", "Leave it to the app").await;
    browser.click("button[aria-label^='Train:']").await;
    browser.click("button[aria-label^='Gears kept on']").await;
    browser.click_text(".editor .choice", "the 80 driven").await;
    browser.find("button[aria-label='Gears kept on: the 80 driven']").await;
    let rows = server.job(id).await["plan"]["gears"]["trains"].as_array().unwrap().clone();
    assert!(!rows.is_empty() && rows.iter().all(|r| r["driven"].as_array().unwrap().contains(&json!(80))), "{rows:?}");
    browser.keys([Key::Escape + ""]).await;
    // Hung, it is what the lathe has on, and the next job counts from it.
    browser.click_text("button.act", "It is on the lathe now").await;
    browser.wait_text(".carry", "Gears to change\n0").await;
    let on = &server.job(id).await["plan"]["gears"]["hung"]["train"];
    let now = &lathe(&server, "long-bed").await["mounted"];
    assert_eq!((&now["drivers"], &now["driven"]), (&on["drivers"], &on["driven"]));
    browser.close().await;
}

#[tokio::test]
async fn a_lathe_file_with_an_error_is_told_where_and_nothing_is_lost() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    browser.look(true).await;
    browser.go(&server.at("/shop")).await;
    browser.click_text("button.act", "Read a lathe file").await;
    let text = ".reading textarea";
    let put = async |written: &str| {
        browser.find(text).await.send_keys(Key::Control + "a").await.unwrap();
        browser.find(text).await.send_keys(written).await.unwrap();
        browser.click_text(".reading .act", "Read it in").await;
    };
    put("{\n\"name\": \"Ferry\",\n\"leadscrew\": {\"tpi\": 6\n").await;
    browser.wait_text(".reading .faults", "does not read as a lathe file").await;
    put("{\n\"name\": \"Ferry\",\n\"leadscrew\": {\"tpi\": 6},\n\"gears\": [20, 30, 40,\n  500],\n\"colour\": \"green\"\n}").await;
    let told = browser.wait_text(".reading .faults", "Line 5").await;
    assert!(told.contains("500 teeth is out of bounds") && told.contains("Line 6") && told.contains("Nothing was read in"), "{told}");
    assert!(browser.axe().await.is_empty(), "{:?}", browser.axe().await);
    // Touching the line stands on it; the text is there to be mended.
    browser.click_text(".reading .word", "Line 5").await;
    let stands = browser.script("const t = document.querySelector('.reading textarea'); return t.value.slice(t.selectionStart, t.selectionEnd)").await;
    assert_eq!(stands, "  500],");
    let names = async || -> Vec<String> {
        let all: Value = reqwest::get(server.at("/api/v1/lathes")).await.unwrap().json().await.unwrap();
        all.as_array().unwrap().iter().map(|l| l["name"].as_str().unwrap().to_owned()).collect()
    };
    assert_eq!(names().await.len(), 3, "nothing was added");
    put("{\n\"name\": \"Ferry\",\n\"leadscrew\": {\"tpi\": 6},\n\"gears\": [20, 30, 40,\n  50]\n}").await;
    browser.wait_text(".station", "6 TPI, right-hand").await;
    // A change is undone, by key; the lathe is copied, deleted, and brought back.
    browser.click("button[data-part=post]").await;
    browser.click_text(".part-form .choice", "at the rear").await;
    browser.click_text(".part-form .act", "Set").await;
    browser.find_text("aside .act", "Undo: the tool post").await;
    assert_eq!(lathe(&server, "ferry").await["post"], "rear");
    browser.keys(["u"]).await;
    browser.wait_text(".parts-said", "at the front").await;
    assert_eq!(lathe(&server, "ferry").await.get("post"), None);
    browser.click_text("aside .act", "Duplicate").await;
    browser.wait_text(".head .sentence", "Ferry, copied").await;
    browser.click_text("aside .act", "Delete").await;
    browser.find_text(".away .act", "bring the Ferry, copied back").await;
    assert_eq!(names().await, ["Long bed", "Gap bed", "Bench", "Ferry"]);
    browser.click_text(".away .act", "Undo").await;
    browser.find_text(".jobs b", "Ferry, copied").await;
    // Gears as a sheet: a faulty line is named, then it is read.
    browser.click_text(".jobs a", "Ferry, copied").await;
    browser.click("button[data-part=gears]").await;
    browser.click_text(".part-form .act", "Read a sheet").await;
    browser.find(text).await.send_keys("teeth,count\n40,2\nsixty,1\n").await.unwrap();
    browser.click_text(".reading .act", "Read the gears in").await;
    browser.wait_text(".reading .faults", "Line 3").await;
    browser.find(text).await.send_keys(Key::Control + "a").await.unwrap();
    browser.find(text).await.send_keys("teeth,count\n40,2\n60,1\n").await.unwrap();
    browser.click_text(".reading .act", "Read the gears in").await;
    browser.wait_text(".parts-said", "3 of module 1, 40 to 60 teeth").await;
    // The one-minute trial: four turns of the screw pass two of eight marks, so sixteen teeth.
    browser.click("button[data-part=dial]").await;
    for (label, figure) in [("Turns of the leadscrew", "4"), ("Marks that passed", "2"), ("Marks on the dial", "8")] {
        browser.find_text(".trial label", label).await.find(By::Css("input")).await.unwrap().send_keys(figure).await.unwrap();
    }
    browser.click_text(".trial .act", "Work it out").await;
    browser.click_text(".trial .act", "Take it").await;
    browser.wait_text(".parts-said", "16 teeth, 8 marks").await;
    browser.close().await;
}

#[tokio::test]
async fn a_shop_file_is_refused_by_its_line_and_taken_in_once() {
    let (folder, other) = (tempfile::tempdir().unwrap(), tempfile::tempdir().unwrap());
    let server = Server::start(folder.path());
    let from = Server::start(other.path());
    // A job made at the other shop, and noted on.
    let client = reqwest::Client::new();
    let made: Value = client.post(from.at("/api/v1/jobs")).json(&json!({"callout": "M12-6g", "lathe_id": "bench"})).send().await.unwrap().json().await.unwrap();
    from.act(made["id"].as_str().unwrap(), "n", json!({"kind": "note", "text": "for the sluice"})).await;
    let file = reqwest::get(from.at(&format!("/api/v1/jobs/{}/job.json", made["id"].as_str().unwrap()))).await.unwrap().text().await.unwrap();
    let (good, bad) = (other.path().join("shop.json"), other.path().join("bad.json"));
    std::fs::write(&good, &file).unwrap();
    std::fs::write(&bad, file.replace("\"kind\":\"note\"", "\"kind\":\"conjured\"")).unwrap();
    let browser = Browser::open().await;
    browser.go(&server.at("/shop")).await;
    browser.click_text("button", "Read a shop file").await;
    browser.find("[role=dialog] input[type=file]").await.send_keys(bad.to_str().unwrap()).await.unwrap();
    browser.click_text("[role=dialog] button", "Take it in").await;
    browser.wait_text("[role=dialog]", "not one of the choices: `conjured`").await;
    assert!(browser.axe().await.is_empty(), "{:?}", browser.axe().await);
    browser.find("[role=dialog] input[type=file]").await.send_keys(good.to_str().unwrap()).await.unwrap();
    browser.click_text("[role=dialog] button", "Take it in").await;
    // Its lathe is here already; the job and its note come in.
    let said = browser.wait_text("main", "Taken in").await;
    assert!(said.contains("0 lathes, 1 job, 1 act"), "{said}");
    browser.go(&server.at("/")).await;
    browser.wait_text(".jobs", "M12").await;
    browser.close().await;
}

/// A shop begins empty: nothing of a lathe that is not there is shown, and what needs none is.
#[tokio::test]
async fn an_empty_shop_shows_no_lathe_and_takes_its_first() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::empty(folder.path());
    let browser = Browser::open().await;
    browser.go(&server.at("/")).await;
    let callout = browser.find(".type-and-go input").await;
    retype(&callout, "M20").await;
    let card = browser.wait_text(".card", "From touch").await;
    assert!(card.contains("19.790 mm") && card.contains("Get 1.443 mm") && !card.contains("127"), "{card}");
    assert!(browser.axe().await.is_empty(), "{:?}", browser.axe().await);
    callout.send_keys("" + Key::Enter).await.unwrap();
    browser.wait_text(".sentence", "no lathe told yet").await;
    let job = browser.script("return location.pathname").await.as_str().unwrap().trim_end_matches("/thread").to_owned();
    for page in ["gears", "setup", "cut", "at-the-lathe", "route", "paper"] {
        browser.go(&server.at(&format!("{job}/{page}"))).await;
        let said = browser.wait_text(".no-lathe", "No lathe is told yet").await;
        let whole = browser.text("body").await;
        assert!(said.contains("19.790 mm") && !whole.contains("127") && !whole.contains("rpm"), "{page}: {whole}");
    }
    assert!(browser.axe().await.is_empty(), "{:?}", browser.axe().await);
    browser.go(&server.at("/")).await;
    browser.wait_text(".jobs", "Tell its lathe").await;
    // The first one described is the one the job is put on, by touch, and the next callout is planned on.
    browser.go(&server.at(&format!("{job}/cut"))).await;
    browser.touch(".no-lathe .row button").await;
    browser.wait_text(".asked", "What is its leadscrew?").await;
    browser.click_text(".asked .act", "Leave the rest").await;
    retype(&browser.find(".editor input").await, "Mill lathe" + Key::Enter).await;
    browser.wait_text("h1", "Mill lathe").await;
    browser.go(&server.at(&format!("{job}/cut"))).await;
    browser.touch(".no-lathe .row button").await;
    browser.wait_text(".sentence", "on the Mill lathe").await;
    browser.go(&server.at("/")).await;
    browser.wait_text(".on-lathe", "Mill lathe").await;
    browser.wait_text(".on-lathes", "Mill lathe").await;
    browser.close().await;
}

#[tokio::test]
async fn a_drawer_is_told_a_set_a_line_and_the_job_names_what_is_owned() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::empty(folder.path());
    let browser = Browser::open().await;
    browser.go(&server.at("/shop")).await;
    let lines = ".mantine-Modal-body textarea";
    browser.click("[data-list=drills]").await;
    browser.find(lines).await.send_keys("halves\n#7, oak").await.unwrap();
    browser.click_text(".mantine-Modal-body .act", "Keep it").await;
    browser.wait_text(".mantine-Modal-body .fault", "Line 2: “oak” is not the size of a drill").await;
    assert!(browser.axe().await.is_empty(), "{:?}", browser.axe().await);
    browser.find(lines).await.send_keys("\u{8}\u{8}\u{8}letter F").await.unwrap();
    browser.click_text(".mantine-Modal-body .act", "Keep it").await;
    browser.wait_text("[data-list=drills]", "27 of them").await;
    browser.click("[data-list=wires]").await;
    browser.find(lines).await.send_keys("1.35 mm").await.unwrap();
    browser.click_text(".mantine-Modal-body .act", "Keep it").await;
    browser.wait_text("[data-list=wires]", "1 of them").await;
    // Written again it stands as it was told, each drill by its maker's mark.
    browser.click("[data-list=drills]").await;
    let told = browser.find(lines).await.prop("value").await.unwrap().unwrap();
    assert!(told.lines().count() == 27 && told.contains("No. 7") && told.contains("letter F") && told.contains("12.5 mm"), "{told}");
    browser.close_leaf().await;
    // A nut is drilled with one of them, and its screw measured over the one wire owned.
    let nut = plan(&server, json!({"thread": {"callout": "M20x2.5-6H"}})).await;
    assert!(nut["blank"]["bore"]["drill_says"].as_str().unwrap().contains("mm"), "{}", nut["blank"]["bore"]);
    let screw = plan(&server, json!({"thread": {"callout": "M20x2.5-6g"}})).await;
    assert_eq!(screw["gauge"]["wire_mm"]["value"], 1.35);
    browser.close().await;
}

#[tokio::test]
async fn a_metal_is_tried_a_material_is_told_and_what_is_wanted_is_named() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::empty(folder.path());
    let browser = Browser::open().await;
    browser.go(&server.at("/shop")).await;
    // A material like one of the table, its own pressure told; one past belief is refused by its field and kept.
    browser.click_text("main .act", "Add a material").await;
    let field = |says: &str| format!("//label[contains(.,'{says}')]//input");
    let told = async |says: &str, value: &str| {
        let input = browser.page.query(By::XPath(field(says))).first().await.unwrap();
        retype(&input, value).await;
    };
    told("Called", "Rod W1").await;
    browser.click_text(".mantine-Modal-body .choice", "annealed drill rod").await;
    told("Cutting pressure", "23000").await;
    browser.click_text(".mantine-Modal-body .act", "Keep it").await;
    browser.wait_text(".mantine-Modal-body .fault", "6000").await;
    told("Cutting pressure", "2300").await;
    browser.click_text(".mantine-Modal-body .act", "Keep it").await;
    browser.wait_text("[aria-labelledby=materials-head]", "Rod W1").await;
    // Dogs and centres a line each; a groover by its form.
    browser.click("[data-list=holders]").await;
    browser.find(".mantine-Modal-body textarea").await.send_keys("dog; 10 to 25 mm\nhook").await.unwrap();
    browser.click_text(".mantine-Modal-body .act", "Keep it").await;
    browser.wait_text(".mantine-Modal-body .fault", "Line 2 is not a holder").await;
    browser.find(".mantine-Modal-body textarea").await.send_keys("\u{8}\u{8}\u{8}\u{8}live center").await.unwrap();
    browser.click_text(".mantine-Modal-body .act", "Keep it").await;
    browser.wait_text("[data-list=holders]", "2 of them").await;
    let client = reqwest::Client::new();
    let asked = json!({"request": {"thread": {"callout": "M20x2.5-6g", "length_mm": 60}, "blank": {"shoulder": true, "holding": "centres"}}});
    let job: Value = client.post(server.at("/api/v1/jobs")).json(&asked).send().await.unwrap().json().await.unwrap();
    let path = format!("/jobs/{}/blank", job["id"].as_str().unwrap());
    browser.go(&server.at(&path)).await;
    browser.click("button.word[aria-label^='Material']").await;
    browser.click_text(".editor .choice", "Rod W1").await;
    browser.wait_text(".sentence", "in Rod W1").await;
    // Nobody knows it: what a magnet does is told, and the steels are left.
    browser.click("button.word[aria-label^='Material']").await;
    browser.click_text(".editor .choice", "a metal not known").await;
    browser.click_text(".act", "Try the metal").await;
    browser.click_text(".mantine-Modal-body .choice", "holds fast").await;
    browser.wait_text(".mantine-Modal-body", "It may be any of mild steel").await;
    browser.wait_text(".mantine-Modal-body", "The magnet rules out brass").await;
    assert!(browser.axe().await.is_empty(), "{:?}", browser.axe().await);
    browser.close_leaf().await;
    let job: Value = reqwest::get(server.at(&format!("/api/v1/jobs/{}", job["id"].as_str().unwrap()))).await.unwrap().json().await.unwrap();
    let plan = &job["plan"];
    let here: Vec<(&str, bool)> =
        plan["blank"]["at_hand"].as_array().unwrap().iter().map(|h| (h["what"].as_str().unwrap(), h["here"].as_bool().unwrap())).collect();
    assert_eq!(here, [("dog", true), ("centre", true), ("groover", false)]);
    browser.close().await;
}
