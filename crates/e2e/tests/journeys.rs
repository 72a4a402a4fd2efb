//! Real journeys: keyboard, touch, a dead server, bad input, and axe on every view.
#![allow(missing_docs, clippy::unwrap_used)]

use serde_json::Value;
use std::time::Duration;
use thirtyfour::prelude::*;
use yoke_e2e::{Browser, Server};

const VIEWS: [&str; 5] = ["thread", "blank", "gears", "cut", "gauge"];

#[tokio::test]
async fn a_callout_becomes_a_job_by_keyboard_alone() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    browser.go(&server.at("/")).await;
    browser.find(".jobs li").await;
    browser.keys(["/"]).await;
    browser.find("[role=dialog] input").await;
    browser.keys(["7/8-9 unc-2a"]).await;
    let card = browser.wait_text("[role=dialog] .card", "Over wires").await;
    // 7/8-9 on 4 TPI: 4/9, close on every other mark of the eight.
    assert!(card.contains("every 2 marks") && card.contains("0.8905 in"), "{card}");
    browser.keys([Key::Enter + ""]).await;
    browser.wait_text(".sentence", "7/8-9 UNC-2A").await;
    assert!(browser.page.current_url().await.unwrap().path().ends_with("/thread"));
    browser.wait_text(".carry", "0.8009 in").await;
    browser.keys(["i"]).await;
    browser.wait_text(".carry", "20.343 mm").await;
    for (key, station) in [("2", "blank"), ("3", "gears"), ("4", "cut"), ("5", "gauge")] {
        browser.keys([key]).await;
        browser.find(&format!("main[data-station={station}]")).await;
    }
    browser.keys([Key::Left + ""]).await;
    browser.find("main[data-station=cut]").await;
    // The working of the first number opens, is drilled into, and closes with Esc.
    browser.keys(["w"]).await;
    let working = browser.wait_text("[role=dialog]", "From:").await;
    assert!(working.contains("radial infeed"), "{working}");
    browser.keys([Key::Escape + ""]).await;
    browser.close().await;
}

#[tokio::test]
async fn bad_input_is_named_and_nothing_typed_is_lost() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    browser.go(&server.at("/")).await;
    let input = browser.find("input[aria-label=Callout]").await;
    input.send_keys("3/4-1O UNC").await.unwrap();
    let says = browser.wait_text(".says", "Near it").await;
    assert!(says.contains("3/4-10 UNC"), "{says}");
    assert_eq!(input.prop("value").await.unwrap().as_deref(), Some("3/4-1O UNC"));
    // A touch on a near one puts it right.
    browser.touch(".near").await;
    browser.wait_text(".says", "Enter makes a job of it").await;

    browser.go(&server.at("/jobs/mill-bearing-stud/cut")).await;
    let word = browser.find("button[aria-label^='Cutting passes']").await;
    word.click().await.unwrap();
    let field = browser.find(".editor input").await;
    retype(&field, "999" + Key::Enter).await;
    let fault = browser.wait_text(".editor .fault", "passes").await;
    assert!(fault.contains("1 to 200"), "{fault}");
    assert_eq!(field.prop("value").await.unwrap().as_deref(), Some("999"));
    retype(&field, "12" + Key::Enter).await;
    browser.wait_text(".own", "12 passes").await;
    browser.find("button[aria-label^='Flat on the tip']").await.click().await.unwrap();
    let field = browser.find(".editor input").await;
    retype(&field, "a bit" + Key::Enter).await;
    browser.wait_text(".editor .fault", "is not a length").await;
    retype(&field, "0.4 mm" + Key::Enter).await;
    browser.wait_text(".own", "0.40 mm flat").await;
    assert_eq!(server.job("mill-bearing-stud").await["request"]["bit"]["tip_flat_mm"], 0.4);
    browser.close().await;
}

/// Types over what a field holds.
async fn retype(field: &WebElement, text: impl Into<TypingData>) {
    field.send_keys(Key::Control + "a").await.unwrap();
    field.send_keys(text).await.unwrap();
}

/// Cuts one pass with Space, waiting out the guard against a second press.
async fn one_pass(browser: &Browser) {
    tokio::time::sleep(Duration::from_millis(760)).await;
    browser.keys([" "]).await;
}

#[tokio::test]
async fn a_whole_cut_with_the_power_gone_in_the_middle() {
    let folder = tempfile::tempdir().unwrap();
    let mut server = Server::start(folder.path());
    let browser = Browser::open().await;
    let id = "footbridge-tie-rod";
    let before = server.job(id).await;
    let passes = before["plan"]["run"]["passes"].as_array().unwrap().clone();
    assert_eq!(before["run"]["passes_done"], 8, "the scratch and seven passes were cut");
    browser.go(&server.at(&format!("/jobs/{id}/at-the-lathe"))).await;
    let next = |i: usize| format!("[data-pass='{}']", passes[i]["n"]);
    browser.find(&next(8)).await;

    // A double press is one pass.
    browser.keys([" ", " "]).await;
    browser.find(&next(9)).await;
    one_pass(&browser).await;
    browser.find(&next(10)).await;
    assert_eq!(server.job(id).await["run"]["passes_done"], 10);

    // The power goes. Two more passes are marked, one taken back; the screen goes on and says so.
    server.kill();
    one_pass(&browser).await;
    browser.find(&next(11)).await;
    one_pass(&browser).await;
    browser.find(&next(12)).await;
    tokio::time::sleep(Duration::from_millis(760)).await;
    browser.keys(["u"]).await;
    browser.find(&next(11)).await;
    browser.wait_text(".strip", "kept here").await;
    server.restart();
    for _ in 0..200 {
        // Eight acts of the demo, two before the kill, three kept on the screen.
        if server.job(id).await["sequence"] == 13 {
            break;
        }
        tokio::time::sleep(Duration::from_millis(50)).await;
    }
    assert_eq!(server.job(id).await["run"]["passes_done"], 11, "nothing recorded was lost, and nothing counted twice");
    browser.page.refresh().await.unwrap();
    browser.find(&next(11)).await;

    // A tick is missed: telling where the dial stands puts it right.
    browser.keys(["d"]).await;
    let reading = before["plan"]["cut"]["passes"][15]["dial"][0]["reading"].as_str().unwrap().trim_end_matches(" in").to_owned();
    browser.find("[role=dialog] input").await;
    browser.keys([format!("{reading}{}", Key::Enter + "")]).await;
    browser.find(&next(16)).await;
    for i in 16..passes.len() {
        one_pass(&browser).await;
        if i + 1 < passes.len() {
            browser.find(&next(i + 1)).await;
        }
    }
    browser.wait_text(".pass-name", "Measure").await;

    // Over size: one more setting. A reading half a millimetre out is questioned first.
    let over = |job: &Value, what: &str| job["plan"]["gauge"]["over_wires_mm"][what]["value"].as_f64().unwrap();
    let (most, aim) = (over(&before, "max"), over(&before, "target"));
    browser.keys(["m"]).await;
    browser.find("[role=dialog] input").await;
    browser.keys([format!("{:.3}{}", aim + 0.5, Key::Enter + "")]).await;
    browser.wait_text("[role=dialog]", "half a millimetre").await;
    let field = browser.find("[role=dialog] input").await;
    retype(&field, format!("{:.3}{}", most + 0.06, Key::Enter + "")).await;
    browser.wait_text(".pass-name", "Measured cut").await;
    browser.wait_text(".strip", "more off the diameter").await;
    one_pass(&browser).await;
    browser.wait_text(".pass-name", "Measure").await;
    browser.keys(["m"]).await;
    browser.find("[role=dialog] input").await;
    browser.keys([format!("{aim:.3}{}", Key::Enter + "")]).await;
    browser.wait_text(".pass-name", "In limits").await;
    let after = server.job(id).await;
    assert_eq!((after["run"]["finished"].as_bool(), after["run"]["verdict"]["verdict"].as_str()), (Some(true), Some("in_limits")));
    browser.close().await;
}

#[tokio::test]
async fn a_cut_is_begun_measured_and_held_by_touch() {
    let folder = tempfile::tempdir().unwrap();
    let mut server = Server::start(folder.path());
    let browser = Browser::open().await;
    browser.size((768, 1024)).await;
    browser.go(&server.at("/jobs/turnbuckle-ends--six/at-the-lathe")).await;
    browser.wait_text(".pass-name", "Scratch").await;
    browser.touch(".done-key").await;
    browser.wait_text(".pass-name", "Pass 1").await;
    server.kill();
    // A measurement may change the next depth: without the server the screen holds.
    browser.page.find(By::XPath("//footer//button[contains(., 'Dial')]")).await.unwrap().click().await.unwrap();
    for key in ["0", ".", "5"] {
        browser.touch(&format!("[role=dialog] .pad button[aria-label='{key}']")).await;
    }
    browser.touch("[role=dialog] button[type=submit]").await;
    browser.wait_text(".told", "do not cut deeper").await;
    server.restart();
    browser.find("[data-pass]").await;
    let stands = server.job("turnbuckle-ends--six").await["run"]["stands_mm"].as_f64().unwrap();
    assert!((stands - 0.5).abs() < 1e-9, "the cross-slide's own dial in mm: {stands}");
    browser.close().await;
}

#[tokio::test]
async fn no_view_has_a_serious_fault_in_either_look_and_nothing_is_blocked() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    let mut faults = Vec::new();
    for dark in [false, true] {
        browser.look(dark).await;
        let stations = VIEWS.iter().map(|v| (format!("/jobs/mill-bearing-stud/{v}"), ".carry"));
        let others = [
            ("/".to_owned(), ".jobs li"),
            ("/jobs/gauge-board-cap/gauge".to_owned(), ".carry"),
            ("/jobs/footbridge-tie-rod/at-the-lathe".to_owned(), ".setting"),
        ];
        for (path, ready) in stations.chain(others) {
            browser.go(&server.at(&path)).await;
            browser.find(ready).await;
            faults.extend(browser.axe().await.into_iter().map(|f| format!("{path} dark={dark}: {f}")));
            faults.extend(browser.blocked().await.into_iter().map(|f| format!("{path}: blocked {f}")));
            let wide = browser.script("return document.documentElement.scrollWidth").await;
            assert_eq!(wide, 1280, "{path} does not spill sideways");
        }
        for (path, open) in
            [("gears", ".own .word"), ("cut", ".actions .plain"), ("thread", ".carry .opens"), ("gauge", ".actions .act"), ("thread", ".head .word")]
        {
            browser.go(&server.at(&format!("/jobs/mill-bearing-stud/{path}"))).await;
            browser.find(open).await.click().await.unwrap();
            browser.find("[role=dialog]").await;
            faults.extend(browser.axe().await.into_iter().map(|f| format!("{path} {open} dark={dark}: {f}")));
            faults.extend(browser.blocked().await.into_iter().map(|f| format!("{path} {open}: blocked {f}")));
        }
    }
    assert!(faults.is_empty(), "{}", faults.join("\n"));
    browser.close().await;
}

#[tokio::test]
async fn the_sentence_changes_the_job_and_everything_is_reckoned_again() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    let id = "mill-bearing-stud";
    let choose = |word: &'static str, choice: &'static str| {
        let browser = &browser;
        async move {
            browser.touch(&format!("button[aria-label^='{word}']")).await;
            browser.find(".editor").await;
            let path = format!("//div[contains(@class, 'editor')]//button[contains(., '{choice}')]");
            browser.page.find(By::XPath(path.as_str())).await.unwrap().click().await.unwrap();
        }
    };
    browser.go(&server.at(&format!("/jobs/{id}/gears"))).await;
    browser.wait_text(".head", "Gap bed").await;
    choose("Lathe", "Long bed").await;
    browser.wait_text(".head", "Long bed").await;
    // 4/9 on 4 TPI: the dial serves every other mark.
    browser.wait_text(".carry", "Every 2 marks").await;
    choose("Hand", "left-hand").await;
    browser.wait_text(".own", "away from the headstock").await;
    choose("Material", "brass").await;
    browser.wait_text(".head", "brass").await;
    choose("How it ends", "up to a shoulder").await;
    browser.wait_text(".head", "up to a shoulder").await;
    choose("Member", "internal").await;
    browser.wait_text(".head", "2B").await;
    // A length typed as a fraction of an inch.
    browser.touch("button[aria-label^='Threaded length']").await;
    let field = browser.find(".editor input").await;
    retype(&field, "1-1/4\"" + Key::Enter).await;
    browser.wait_text(".head", "1.25 in").await;
    let request = server.job(id).await["request"].clone();
    assert_eq!(request["thread"]["length_mm"], 31.75);
    assert_eq!(
        (request["thread"]["hand"].as_str(), request["thread"]["side"].as_str(), request["lathe_id"].as_str()),
        (Some("left"), Some("internal"), Some("long-bed"))
    );
    // The callout itself: a bad one is named and kept, a good one is taken.
    browser.touch("button[aria-label^='Callout']").await;
    let field = browser.find(".editor input").await;
    retype(&field, "M20x" + Key::Enter).await;
    browser.wait_text(".editor .fault", "is not a pitch").await;
    field.send_keys("1.5" + Key::Enter).await.unwrap();
    browser.wait_text(".head", "M20×1.5-6g").await;
    browser.close().await;
}

#[tokio::test]
async fn a_train_is_chosen_from_the_list_and_left_again() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    browser.go(&server.at("/jobs/gauge-board-cap/gears")).await;
    browser.find(".own .word").await.click().await.unwrap();
    browser.wait_text("[role=dialog]", "leadscrew turns a spindle turn").await;
    let second = "[role=dialog] tbody tr:nth-child(2) .choice";
    let named = browser.wait_text(second, "/").await;
    browser.touch(second).await;
    browser.wait_text(".own", &named).await;
    let hang = server.job("gauge-board-cap").await["request"]["gears"]["hang"].clone();
    assert!(named.starts_with(&hang["drivers"].as_array().unwrap().iter().map(|d| d.to_string()).collect::<Vec<_>>().join("·")), "{named} {hang}");
    browser.find(".own .word.set").await.click().await.unwrap();
    browser.page.query(By::XPath("//button[contains(., 'Leave it to the app')]")).first().await.unwrap().click().await.unwrap();
    browser.find(".own .word:not(.set)").await;
    assert!(server.job("gauge-board-cap").await["request"]["gears"]["hang"].is_null());
    browser.close().await;
}

#[tokio::test]
async fn two_tablets_on_one_job_follow_each_other() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let (one, two) = (Browser::open().await, Browser::open().await);
    let at = server.at("/jobs/turnbuckle-ends--six/at-the-lathe");
    one.go(&at).await;
    two.go(&at).await;
    one.wait_text(".pass-name", "Scratch").await;
    two.wait_text(".pass-name", "Scratch").await;
    one_pass(&one).await;
    two.wait_text(".pass-name", "Pass 1").await;
    one_pass(&two).await;
    one.wait_text(".pass-name", "Pass 2").await;
    tokio::time::sleep(Duration::from_millis(760)).await;
    one.keys(["u"]).await;
    two.wait_text(".pass-name", "Pass 1").await;
    one.close().await;
    two.close().await;
}

#[tokio::test]
async fn single_letters_can_be_switched_off_and_the_look_chosen() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    browser.go(&server.at("/jobs/mill-bearing-stud/thread")).await;
    browser.wait_text(".carry", " in").await;
    browser.keys(["?"]).await;
    browser.find("[role=dialog] input[type=checkbox]").await.click().await.unwrap();
    browser.keys([Key::Escape + ""]).await;
    browser.keys(["i"]).await;
    tokio::time::sleep(Duration::from_millis(200)).await;
    assert!(!browser.text(".carry").await.contains(" mm"), "the letter is off");
    browser.keys(["2"]).await;
    browser.find("main[data-station=blank]").await;
    let scheme = "return document.documentElement.dataset.mantineColorScheme";
    let before = browser.script(scheme).await;
    browser.page.find(By::XPath("//button[. = 'Dark' or . = 'Light']")).await.unwrap().click().await.unwrap();
    assert_ne!(browser.script(scheme).await, before);
    browser.page.refresh().await.unwrap();
    browser.find(".carry").await;
    assert_ne!(browser.script(scheme).await, before, "and remembered");
    browser.close().await;
}

#[tokio::test]
async fn nothing_spills_on_a_tablet_and_the_lathe_keys_suit_a_knuckle() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    for (width, height) in [(1024, 768), (768, 1024)] {
        browser.size((width, height)).await;
        let more = [
            "/",
            "/jobs/windlass-bolt--as-found/thread",
            "/jobs/paddle-screw-and-nut/thread",
            "/jobs/gauge-board-cap/blank",
            "/jobs/footbridge-tie-rod/at-the-lathe",
        ];
        for path in VIEWS.iter().map(|v| format!("/jobs/footbridge-tie-rod/{v}")).chain(more.map(str::to_owned)) {
            browser.go(&server.at(&path)).await;
            browser.find(".carry, .jobs li, .setting, .may .first").await;
            assert_eq!(browser.script("return document.documentElement.scrollWidth").await, width, "{path} at {width}×{height}");
        }
        let small = browser.script("return [...document.querySelectorAll('.lathe-key')].filter(k => k.getBoundingClientRect().height < 56).length").await;
        assert_eq!(small, 0);
        let whole = browser.script("const f = document.querySelector('.lathe footer').getBoundingClientRect(); return f.bottom <= innerHeight + 1").await;
        assert_eq!(whole, true, "the keys are on the screen at {width}×{height}");
    }
    browser.close().await;
}

#[tokio::test]
async fn what_waits_on_the_screen_survives_a_reload_without_the_server() {
    let folder = tempfile::tempdir().unwrap();
    let mut server = Server::start(folder.path());
    let browser = Browser::open().await;
    let id = "gauge-board-cap";
    browser.go(&server.at(&format!("/jobs/{id}/at-the-lathe"))).await;
    browser.wait_text(".pass-name", "Scratch").await;
    server.kill();
    tokio::time::sleep(Duration::from_millis(760)).await;
    browser.keys([" "]).await;
    browser.wait_text(".pass-name", "Pass 1").await;
    browser.wait_text(".strip", "1 act is kept here").await;
    server.restart();
    // A fresh page of the same browser sends what the last one kept.
    browser.go(&server.at(&format!("/jobs/{id}/at-the-lathe"))).await;
    browser.wait_text(".pass-name", "Pass 1").await;
    for _ in 0..100 {
        if server.job(id).await["sequence"] == 1 {
            break;
        }
        tokio::time::sleep(Duration::from_millis(50)).await;
    }
    let job = server.job(id).await;
    assert_eq!((job["sequence"].as_u64(), job["run"]["done"].clone(), job["frozen"].as_bool()), (Some(1), serde_json::json!([0]), Some(true)));
    browser.close().await;
}

#[tokio::test]
async fn an_edit_made_from_an_older_job_is_not_lost_in_silence() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    let id = "mill-bearing-stud";
    browser.go(&server.at(&format!("/jobs/{id}/cut"))).await;
    browser.touch("button[aria-label^='Spring passes']").await;
    let field = browser.find(".editor input").await;
    // Meanwhile another tablet changes the job; this page is kept from hearing of it by being asked at once.
    let change = serde_json::json!({"request": {"bit": {"tip_flat_mm": 0.41}}});
    let patch = reqwest::Client::new().patch(server.at(&format!("/api/v1/jobs/{id}"))).header("If-Match", "1").json(&change);
    assert!(patch.send().await.unwrap().status().is_success());
    retype(&field, "4" + Key::Enter).await;
    // Either the page had heard and the change is taken, or it is told so and the newer job is shown; a second Enter then takes it.
    tokio::time::sleep(Duration::from_millis(500)).await;
    if browser.text(".editor .fault").await.contains("changed meanwhile") {
        field.send_keys(Key::Enter + "").await.unwrap();
    }
    browser.wait_text(".own", "4 springs").await;
    browser.wait_text(".own", "0.41 mm flat").await;
    let request = server.job(id).await["request"].clone();
    assert_eq!((request["bit"]["tip_flat_mm"].as_f64(), request["cut"]["spring_passes"].as_i64()), (Some(0.41), Some(4)), "neither change was lost");
    browser.close().await;
}

#[tokio::test]
async fn the_windlass_bolt_is_identified_and_taken() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    browser.go(&server.at("/jobs/windlass-bolt--as-found/thread")).await;
    // What was measured in the yard leaves two, and says what would part them.
    let may = browser.wait_text(".may-be", "angle gauges").await;
    assert!(may.contains("7/8 BSW") && may.contains("7/8-9 UNC"), "{may}");
    assert!(browser.axe().await.is_empty(), "{:?}", browser.axe().await);
    // A count of crests for spaces is caught, by keyboard.
    browser.find(".measured button:nth-child(2)").await.click().await.unwrap();
    let spaces = browser.find(".typed input").await;
    retype(&spaces, "11" + Key::Enter).await;
    browser.wait_text(".may-be", "the count is one out: 10 spaces").await;
    browser.find(".measured button:nth-child(2)").await.click().await.unwrap();
    let spaces = browser.find(".typed input").await;
    retype(&spaces, "many" + Key::Enter).await;
    browser.wait_text(".answer .fault", "is not a number").await;
    retype(&spaces, "10" + Key::Enter).await;
    browser.wait_text(".measured", "10 in 28.3").await;
    // The gauge settles it, by touch.
    browser.touch(".measured button:nth-child(5)").await;
    browser.touch(".answer .choices .choice:nth-child(2)").await;
    browser.wait_text(".measured", "55°").await;
    let first = browser.wait_text(".may .first", "angle: 55° where it is 55°").await;
    assert!(first.contains("7/8 BSW"), "{first}");
    browser.find("button[aria-label='Take it: 7/8 BSW']").await.click().await.unwrap();
    browser.wait_text(".sentence", "7/8 BSW-medium").await;
    browser.wait_text(".own", "Whitworth form").await;
    let job = server.job("windlass-bolt--as-found").await;
    assert_eq!((job["plan"]["thread"]["half_angle_deg"].as_f64(), job["request"]["sample"]["over_mm"].as_f64()), (Some(27.5), Some(28.3)));
    browser.close().await;
}

#[tokio::test]
async fn a_size_is_found_by_arrows_and_a_sample_is_begun_from_the_board() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    browser.go(&server.at("/")).await;
    browser.find(".type-and-go .plain").await.click().await.unwrap();
    browser.find(".size-rule [aria-selected=true]").await;
    // Back one series from the first is the last: BA.
    browser.keys([Key::Left + ""]).await;
    browser.wait_text(".size-rule", "BA").await;
    browser.keys([Key::Right + "", Key::Right + "", Key::Right + ""]).await;
    browser.wait_text(".sizes .how", "Unified coarse").await;
    browser.keys(["7/8"]).await;
    browser.wait_text(".size-rule [aria-selected=true]", "7/8-9 UNC").await;
    browser.keys([Key::Enter + ""]).await;
    browser.wait_text(".card", "0.8905 in").await;
    browser.find(".board > .row button").await.click().await.unwrap();
    browser.wait_text(".answer", "across the outside").await;
    browser.keys([Key::Tab + ""]).await;
    let outside = browser.find(".typed input").await;
    outside.send_keys("31.5" + Key::Enter).await.unwrap();
    browser.wait_text(".measured", "31.5 mm").await;
    browser.wait_text(".may", "1-1/4-5 Acme").await;
    browser.close().await;
}

#[tokio::test]
async fn the_paddle_nut_follows_the_screw_as_measured() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    browser.go(&server.at("/jobs/paddle-screw-and-nut/thread")).await;
    // The nut first is recommended; the yard wants the screw first, and says so by touch.
    browser.wait_text(".own", "nut first, the screw fitted to it").await;
    browser.touch("button[aria-label^='Which is made first']").await;
    browser.wait_text(".editor", "recommended").await;
    browser.touch(".editor .choice:nth-child(2)").await;
    browser.wait_text(".own", "screw first, the nut fitted to it").await;
    browser.find("button[aria-pressed]").await.click().await.unwrap();
    browser.wait_text(".carry", "Clearance at the pitch line").await;
    assert!(browser.axe().await.is_empty(), "{:?}", browser.axe().await);
    // Every pass is cut at the lathe's own server, and the screw measured there by hand.
    let screw = server.job("paddle-screw-and-nut").await;
    let passes = screw["plan"]["run"]["passes"].as_array().unwrap().clone();
    let client = reqwest::Client::new();
    for (i, pass) in passes.iter().enumerate() {
        let act = serde_json::json!({"act": {"kind": "pass_done", "n": pass["n"], "radial_mm": pass["radial_mm"]}});
        client.put(server.at(&format!("/api/v1/jobs/paddle-screw-and-nut/acts/p{i}"))).json(&act).send().await.unwrap();
    }
    browser.go(&server.at("/jobs/paddle-screw-and-nut/at-the-lathe")).await;
    browser.wait_text(".lathe", "measure").await;
    browser.keys(["m"]).await;
    let field = browser.find("[role=dialog] input").await;
    // Over the wires chosen, 1.1350 in of pitch diameter reads as much more as the aim does.
    let at = |pointer: &str| screw["plan"].pointer(pointer).and_then(Value::as_f64).unwrap();
    let over = 1.1350 * 25.4 + at("/gauge/over_wires_mm/target/value") - at("/cut/target_pitch_diameter_mm/value");
    field.send_keys(format!("{over:.4} mm") + Key::Enter).await.unwrap();
    browser.wait_text(".lathe", "In limits").await;
    let nut = screw["members"][0]["id"].as_str().unwrap();
    browser.go(&server.at(&format!("/jobs/{nut}/thread"))).await;
    // 1.1350 + 0.0089 of clearance, then 0.0201 of the nut's own tolerance.
    let carry = browser.wait_text(".carry", "The screw measures").await;
    assert!(carry.contains("1.1350 in") && carry.contains("1.1439 in to 1.1640 in"), "{carry}");
    browser.keys(["5"]).await;
    browser.wait_text(".carry", "1.15").await;
    browser.close().await;
}

#[tokio::test]
async fn the_blind_caps_groove_is_refused_and_a_sum_on_the_pad_mends_it() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    browser.go(&server.at("/jobs/gauge-board-cap/blank")).await;
    browser.wait_text(".own", "a turned relief").await;
    // A dimension touched on the drawing opens the word that sets it: a groove too small is refused, and why.
    browser.find(".outline li:nth-child(3) button").await;
    browser.script("document.querySelectorAll('.outline li button')[2].click()").await;
    let field = browser.find(".editor input").await;
    retype(&field, "36.1" + Key::Enter).await;
    let watch = browser.wait_text(".watch", "digging in").await;
    assert!(watch.contains("36.100 mm") && watch.contains("36.400 mm"), "{watch}");
    browser.find("button[aria-label^='Relief diameter there is']").await.click().await.unwrap();
    browser.find(".editor .act.plain").await.click().await.unwrap();
    browser.wait_text(".own", "as large as needed").await;
    // The width comes from the pad: the wall over a pin, less the thread.
    browser.keys(["b"]).await;
    browser.wait_text(".bench-pad", "Small sums").await;
    assert!(browser.axe().await.is_empty(), "{:?}", browser.axe().await);
    for place in [2, 3] {
        browser.find(&format!(".bench-pad .row .choice:nth-child({place})")).await.click().await.unwrap();
    }
    let field = |sum: u8, label: u8| format!(".bench-pad fieldset:nth-of-type({sum}) label:nth-of-type({label}) input");
    let fill = async |css: String, text: &str| {
        retype(&browser.find(&css).await, text).await;
    };
    fill(field(1, 1), "wall").await;
    fill(field(1, 2), "26.5").await;
    fill(field(1, 3), "six").await;
    let source = browser.find(".bench-pad fieldset:nth-of-type(2) label:nth-of-type(2) select").await;
    source.send_keys("from: wall").await.unwrap();
    fill(field(2, 3), "18").await;
    browser.find(".bench-pad fieldset:nth-of-type(2) label:nth-of-type(4) select").await.send_keys("relief width").await.unwrap();
    browser.find(".bench-pad .row .act").await.click().await.unwrap();
    browser.wait_text(".bench-pad .fault", "the pin").await;
    fill(field(1, 3), "6").await;
    browser.find(".bench-pad .row .act").await.click().await.unwrap();
    browser.wait_text(".bench-pad", "2.500 mm, the relief width").await;
    browser.keys([Key::Escape + ""]).await;
    browser.wait_text(".own", "2.5 mm, from the pad").await;
    browser.wait_text(".watch", "2.500 mm wide").await;
    // Measured again at its source, everything after it follows, and the groove serves.
    browser.keys(["b"]).await;
    fill(field(1, 2), "28.5").await;
    browser.find(".bench-pad .row .act").await.click().await.unwrap();
    browser.wait_text(".bench-pad", "4.500 mm, the relief width").await;
    browser.keys([Key::Escape + ""]).await;
    browser.wait_text(".own", "4.5 mm, from the pad").await;
    let job = server.job("gauge-board-cap").await;
    assert!(job["plan"]["watch"].as_array().unwrap().iter().all(|w| w["code"] != "relief_narrow"), "{}", job["plan"]["watch"]);
    // How it ends is chosen from the schools, side by side.
    browser.find("button[aria-label^='How the thread ends']").await.click().await.unwrap();
    let schools = browser.wait_text(".editor", "withdrawn at a mark").await;
    assert!(schools.contains("counterbored") && schools.contains("of full thread"), "{schools}");
    browser.close().await;
}

#[tokio::test]
async fn a_part_carries_several_threads_and_a_sample_is_made_to_its_measurements() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    browser.size((1024, 768)).await;
    browser.look(true).await;
    // A mate and another thread, by touch and by typing; a callout that does not read loses nothing.
    browser.go(&server.at("/jobs/hydrant-union/thread")).await;
    browser.wait_text(".own", "rounded 0.317 mm").await;
    assert!(browser.axe().await.is_empty(), "{:?}", browser.axe().await);
    browser.script("[...document.querySelectorAll('.own .word')].find(b => b.textContent === 'Cut its nut too.').click()").await;
    browser.wait_text(".own", "One of a pair").await;
    browser.script("[...document.querySelectorAll('.own .word')].find(b => b.textContent === 'Add a thread to this part.').click()").await;
    let field = browser.find("[role=dialog] input").await;
    retype(&field, "M24x9000" + Key::Enter).await;
    browser.wait_text("[role=dialog] .fault", "pitch").await;
    retype(&field, "M24x2-6g LH" + Key::Enter).await;
    let own = browser.wait_text(".own", "On the same part").await;
    assert!(own.contains("M24x2-6g LH"), "{own}");
    browser.find(".own a.word").await.click().await.unwrap();
    browser.wait_text(".sentence", "internal").await;
    browser.wait_text(".own", "its screw").await;
    // The sample, neither standard: made to its measurements, left-hand as it was seen to climb.
    browser.go(&server.at("/jobs/windlass-bolt--as-found/thread")).await;
    browser.wait_text(".may-be", "angle gauges").await;
    browser.touch(".measured button:nth-child(6)").await;
    browser.touch(".answer .choice:nth-child(2)").await;
    browser.wait_text(".measured", "left-hand").await;
    browser.find(".sample aside > .act.plain").await.click().await.unwrap();
    browser.wait_text(".sentence", "Special 22.05×2.83").await;
    let sentence = browser.wait_text(".sentence", "left-hand").await;
    assert!(sentence.contains("external"), "{sentence}");
    // Its sheet opens again from the thread, and another size can still be taken from it.
    browser.script("[...document.querySelectorAll('.own .word')].find(b => b.textContent.startsWith('Found')).click()").await;
    browser.wait_text("[role=dialog] .may", "7/8-9 UNC").await;
    browser.find("button[aria-label^='Take it: 7/8-9 UNC']").await.click().await.unwrap();
    browser.wait_text(".sentence", "7/8-9 UNC-2A").await;
    let job = server.job("windlass-bolt--as-found").await;
    assert!(job["request"]["thread"]["special"].is_null() && job["plan"]["thread"]["hand"] == "left", "{}", job["request"]);
    browser.close().await;
}

#[tokio::test]
async fn a_sample_is_measured_by_touch_alone_with_the_number_pad() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    browser.size((768, 1024)).await;
    browser.go(&server.at("/")).await;
    browser.touch(".board > .row button").await;
    browser.wait_text(".answer", "across the outside").await;
    // 19.9 mm on the pad, then the pitch by the gauge's leaf, then what the hand sees.
    browser.touch(".pad-fold summary").await;
    for key in ["1", "9", ".", "9", "9", "Delete"] {
        browser.touch(&format!(".pad button[aria-label='{key}']")).await;
    }
    browser.touch(".typed .act").await;
    browser.wait_text(".measured", "19.9 mm").await;
    browser.touch(".measured button:nth-child(3)").await;
    browser.wait_text(".answer", "pitch gauge").await;
    browser.touch(".pad-fold summary").await;
    for key in ["2", ".", "5"] {
        browser.touch(&format!(".pad button[aria-label='{key}']")).await;
    }
    browser.touch(".typed .act").await;
    browser.wait_text(".measured", "2.5 mm").await;
    let first = browser.wait_text(".may .first", "M20").await;
    assert!(first.contains("outside diameter"), "{first}");
    browser.touch(".may .first .act").await;
    browser.wait_text(".sentence", "M20×2.5-6g").await;
    browser.close().await;
}
