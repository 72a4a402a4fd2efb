//! Real journeys: keyboard, touch, a dead server, bad input, and axe on every view.

use serde_json::Value;
use std::time::Duration;
use thirtyfour::prelude::*;
use yoke_e2e::{Browser, Server, proving, retype};

const VIEWS: [&str; 7] = ["thread", "blank", "gears", "bit", "setup", "cut", "gauge"];

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
    for (key, station) in [("2", "blank"), ("3", "gears"), ("4", "bit"), ("5", "setup"), ("6", "cut"), ("7", "gauge")] {
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
    browser.click("button[aria-label^='Flat on the tip']").await;
    let field = browser.find(".editor input").await;
    retype(&field, "a bit" + Key::Enter).await;
    browser.wait_text(".editor .fault", "is not a length").await;
    retype(&field, "0.4 mm" + Key::Enter).await;
    browser.wait_text(".own", "0.016 in flat").await;
    assert_eq!(server.job("mill-bearing-stud").await["request"]["bit"]["tip_flat_mm"], 0.4);
    browser.close().await;
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
    browser.stand(&server.at(&format!("/jobs/{id}/at-the-lathe"))).await;
    let next = |i: usize| format!("[data-pass='{}']", passes[i]["n"]);
    browser.find(&next(8)).await;

    // A double press is one pass: both in one breath of the page, so that no slow machine parts them.
    browser.script("for (let i = 0; i < 2; i++) document.body.dispatchEvent(new KeyboardEvent('keydown', { key: ' ', code: 'Space', bubbles: true }))").await;
    browser.find(&next(9)).await;
    browser.one_pass().await;
    browser.find(&next(10)).await;
    server.comes_to(id, "/run/passes_done", 10).await;

    // The power goes. Two more passes are marked, one taken back; the screen goes on and says so.
    server.kill();
    browser.one_pass().await;
    browser.find(&next(11)).await;
    browser.one_pass().await;
    browser.find(&next(12)).await;
    browser.breathe().await;
    browser.keys(["u"]).await;
    browser.find(&next(11)).await;
    browser.wait_text(".strip", "kept here").await;
    server.restart();
    // Eight acts of the demo, two before the kill, three kept on the screen.
    server.comes_to(id, "/sequence", 13).await;
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
        browser.one_pass().await;
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
    browser.wait_text("[role=dialog]", "half a millimeter").await;
    let field = browser.find("[role=dialog] input").await;
    retype(&field, format!("{:.3}{}", most + 0.06, Key::Enter + "")).await;
    browser.wait_text(".pass-name", "Measured cut").await;
    browser.wait_text(".strip", "more off the diameter").await;
    browser.one_pass().await;
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
    browser.stand(&server.at("/jobs/turnbuckle-ends--six/at-the-lathe")).await;
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
        // Both looks when all is proven; else one view in the one, the next in the other.
        let turn = |n: usize| proving() || (n % 2 == 1) == dark;
        for (_, (path, ready)) in stations.chain(others).enumerate().filter(|(n, _)| turn(*n)) {
            browser.go(&server.at(&path)).await;
            browser.find(ready).await;
            faults.extend(browser.axe().await.into_iter().map(|f| format!("{path} dark={dark}: {f}")));
            faults.extend(browser.blocked().await.into_iter().map(|f| format!("{path}: blocked {f}")));
            let wide = browser.script("return document.documentElement.scrollWidth").await;
            assert_eq!(wide, 1280, "{path} does not spill sideways");
        }
        let leaves = [("gears", ".own .word"), ("cut", ".actions .plain"), ("thread", ".carry .opens"), ("gauge", ".actions .act"), ("thread", ".head .word")];
        for (_, (path, open)) in leaves.into_iter().enumerate().filter(|(n, _)| turn(*n)) {
            browser.go(&server.at(&format!("/jobs/mill-bearing-stud/{path}"))).await;
            browser.click(open).await;
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
    browser.wait_text(".head", "1 1/4 in").await;
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
    browser.click(".own .word").await;
    browser.wait_text("[role=dialog]", "leadscrew turns a spindle turn").await;
    let second = "[role=dialog] tbody tr:nth-child(2) .choice";
    let named = browser.wait_text(second, "/").await;
    browser.touch(second).await;
    browser.wait_text(".own", &named).await;
    let hang = server.job("gauge-board-cap").await["request"]["gears"]["hang"].clone();
    assert!(named.starts_with(&hang["drivers"].as_array().unwrap().iter().map(|d| d.to_string()).collect::<Vec<_>>().join("·")), "{named} {hang}");
    browser.click(".own .word.set").await;
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
    assert!(one.stand(&at).await, "with a red check it asks first");
    two.stand(&at).await;
    one.wait_text(".pass-name", "Scratch").await;
    two.wait_text(".pass-name", "Scratch").await;
    one.one_pass().await;
    two.wait_text(".pass-name", "Pass 1").await;
    two.one_pass().await;
    one.wait_text(".pass-name", "Pass 2").await;
    one.breathe().await;
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
    browser.click("[role=dialog] input[type=checkbox]").await;
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
    browser.go(&server.at("/")).await;
    for (width, height) in [(1024, 768), (768, 1024)] {
        browser.size((width, height)).await;
        let more = [
            "/",
            "/jobs/windlass-bolt--as-found/thread",
            "/jobs/paddle-screw-and-nut/thread",
            "/jobs/footbridge-tie-rod/log",
            "/jobs/gauge-board-cap/blank",
            "/jobs/footbridge-tie-rod/at-the-lathe",
        ];
        for path in VIEWS.iter().map(|v| format!("/jobs/footbridge-tie-rod/{v}")).chain(more.map(str::to_owned)) {
            browser.turn(&path).await;
            browser.find(".carry, .jobs li, .setting, .may .first").await;
            browser.quiet().await;
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
    browser.stand(&server.at(&format!("/jobs/{id}/at-the-lathe"))).await;
    browser.wait_text(".pass-name", "Scratch").await;
    server.kill();
    browser.breathe().await;
    browser.keys([" "]).await;
    browser.wait_text(".pass-name", "Pass 1").await;
    browser.wait_text(".strip", "1 act is kept here").await;
    server.restart();
    // A fresh page of the same browser sends what the last one kept.
    browser.stand(&server.at(&format!("/jobs/{id}/at-the-lathe"))).await;
    browser.wait_text(".pass-name", "Pass 1").await;
    server.comes_to(id, "/sequence", 1).await;
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
    browser.find(".editor .fault, button[aria-label='Spring passes: 4 springs']").await;
    if browser.text(".editor .fault").await.contains("changed meanwhile") {
        field.send_keys(Key::Enter + "").await.unwrap();
    }
    browser.wait_text(".own", "4 springs").await;
    browser.wait_text(".own", "0.016 in flat").await;
    let request = server.job(id).await["request"].clone();
    assert_eq!((request["bit"]["tip_flat_mm"].as_f64(), request["cut"]["spring_passes"].as_i64()), (Some(0.41), Some(4)), "neither change was lost");
    browser.close().await;
}
