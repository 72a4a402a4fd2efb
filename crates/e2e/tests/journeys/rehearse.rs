//! Rehearse, by keyboard, touch and pedal: ten stops of a scripted hand found for what they are, each classic mistake told and drawn, and
//! motion kept from eyes that do not want it.

use serde_json::{Value, json};
use thirtyfour::Key;
use yoke_e2e::{Browser, Server};

/// A hand in the page: it sees the point come to the mark, and presses so many seconds after; how many it really were is kept, since a busy
/// machine may hold it up.
const HAND: &str = "const late = LATE, stop = document.querySelector('.stage .setup-stop'), bit = document.querySelector('.stage > svg g');
    const mark = Number(stop.getAttribute('points').split(',')[0]), seen = [];
    const look = now => {
        const along = Number(/translate\\(([-0-9.e]+)/.exec(bit.getAttribute('transform'))[1]);
        if (seen.length === 0 || along !== seen.at(-1)[1]) seen.push([now, along]);
        if (seen.length < 12) return requestAnimationFrame(look);
        // It moves evenly: when it will be there follows from where it was.
        const [[t0, a0], [t1, a1]] = [seen[3], seen.at(-1)];
        const there = t1 + ((mark - a1) / (a1 - a0)) * (t1 - t0);
        const press = () => {
            if (performance.now() < there + late * 1000) return setTimeout(press, 1);
            const key = new KeyboardEvent('keydown', { key: ' ' });
            (window.late ??= []).push((key.timeStamp - there) / 1000);
            window.dispatchEvent(key);
        };
        setTimeout(press, Math.max(0, there + late * 1000 - performance.now() - 25));
    };
    requestAnimationFrame(look);";

/// Mean and spread asked for, eight of them; the two before them only learn what it is.
const LATE_S: [f64; 10] = [0.9, 0.6, 0.253, 0.367, 0.276, 0.344, 0.291, 0.329, 0.304, 0.316];

async fn rehearsal(server: &Server, job: &str) -> Value {
    reqwest::get(server.at(&format!("/api/v1/jobs/{job}/rehearsal"))).await.unwrap().json().await.unwrap()
}

/// Another drill chosen by its word.
async fn choose(browser: &Browser, name: &str) {
    browser.click(".drawn .own .word").await;
    browser.click_text("[role=dialog] .choice", name).await;
    browser.wait_text(".drawn .own", name).await;
}

async fn begun(browser: &Browser) {
    browser.comes_to("return document.querySelectorAll('.stage').length", 1).await;
    browser.breathe().await;
    browser.keys([" "]).await;
    browser.wait_text(".rehearse-says", "Now:").await;
}

#[tokio::test]
async fn ten_stops_of_a_hand_are_found_as_they_were() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    browser.motion(true).await;
    let job = "sluice-vice-screw";
    browser.go(&server.at(&format!("/jobs/{job}/setup"))).await;
    browser.find("main[data-station=setup] .station").await;
    // By its key, as a ninth place on the bed.
    browser.keys(["9"]).await;
    browser.wait_text(".drawn .own", "Stop at the mark").await;
    for late in LATE_S {
        begun(&browser).await;
        browser.script(&HAND.replace("LATE", &late.to_string())).await;
        browser.find(".came").await;
    }
    let late: Vec<f64> = serde_json::from_value(browser.script("return window.late").await).unwrap();
    let really = late[2..].iter().sum::<f64>() / 8.0;
    let known = rehearsal(&server, job).await;
    let hand = &known["hands"][0];
    assert_eq!((hand["sample"].as_str(), hand["tries"].as_u64()), (Some("open"), Some(8)), "{known}");
    let [mean, spread, doubt] = ["mean_s", "spread_s", "doubt_s"].map(|f| hand[f].as_f64().unwrap());
    assert!((mean - really).abs() < 0.015, "{hand}, really {really}");
    assert!((mean - 0.31).abs() <= doubt + (really - 0.31).abs(), "{hand}");
    assert!((0.02..0.1).contains(&spread), "{hand}");
    // It is slower than what is reckoned with once in a thousand passes: one touch takes that over, and nothing makes it faster.
    browser.click_text(".actions button", "Your hand").await;
    let said = browser.wait_text("[role=dialog]", "8 tries").await;
    assert!(said.contains("1 in ") && said.contains("past the mark"), "{said}");
    let reckoned = hand["reckoned_s"].as_f64().unwrap();
    assert!(reckoned > 0.5, "{hand}");
    browser.click_text("[role=dialog] .act", "Reckon with it").await;
    server.comes_to(job, "/plan/setup/reaction_s", json!(reckoned)).await;
    browser.wait_text("[role=dialog]", "a key is not a lever").await;
    browser.close_leaf().await;
    assert!(browser.axe().await.is_empty(), "{:?}", browser.axe().await);
    browser.close().await;
}

#[tokio::test]
async fn a_wrong_mark_a_turn_back_and_a_crash_are_told_and_drawn() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    browser.motion(true).await;
    // The half-nut pressed by a digit, as a mark that does not serve stands at the line.
    browser.go(&server.at("/jobs/sluice-vice-screw/rehearse")).await;
    choose(&browser, "Catch the mark").await;
    begun(&browser).await;
    let presses = "const face = document.querySelector('.turning-dial g');
        const look = () => { const turned = Number(/rotate\\(([-0-9.e]+)/.exec(face.getAttribute('transform'))[1]) / -24;
            const at = ((turned % 5) + 5) % 5;
            if (at < 1.6 || at > 2.4) return requestAnimationFrame(look);
            window.dispatchEvent(new KeyboardEvent('keydown', { key: '3' })); };
        setTimeout(look, 1600)";
    browser.script(presses).await;
    let said = browser.wait_text(".came", "beside its groove").await;
    assert!(said.contains("Not in the groove") && said.contains("scrap"), "{said}");
    assert_eq!(browser.script("return document.querySelectorAll('.left-groove .cut-meant').length").await, 1);
    assert!(browser.axe().await.is_empty(), "{:?}", browser.axe().await);

    // Turned back with the tool in, by touch: stopped, reversed, and only then drawn out.
    browser.go(&server.at("/jobs/footbridge-tie-rod/rehearse")).await;
    choose(&browser, "The whole cycle").await;
    browser.breathe().await;
    browser.touch(".rehearse-keys .act").await;
    browser.wait_text(".rehearse-says", "Now:").await;
    tokio::time::sleep(std::time::Duration::from_millis(3200)).await;
    for key in [2, 3] {
        browser.touch(&format!(".rehearse-keys .act:nth-child({key})")).await;
        tokio::time::sleep(std::time::Duration::from_millis(1800)).await;
    }
    browser.touch(".rehearse-keys .act:nth-child(1)").await;
    tokio::time::sleep(std::time::Duration::from_millis(400)).await;
    browser.touch(".rehearse-keys .act:nth-child(5)").await;
    let said = browser.wait_text(".came", "metal before it").await;
    assert!(said.contains("Tool out first"), "{said}");

    // The space bar does what comes next, stopping twice: on the way in, and on the way back.
    browser.breathe().await;
    browser.keys([" "]).await;
    browser.wait_text(".rehearse-says", "Now:").await;
    tokio::time::sleep(std::time::Duration::from_millis(2400)).await;
    for _ in 0..6 {
        browser.keys([" "]).await;
        tokio::time::sleep(std::time::Duration::from_millis(1200)).await;
    }
    // Out and in again before the start was too soon; nothing went back with the tool in.
    let said = browser.wait_text(".came", "the mark").await;
    assert!(!said.contains("metal before it"), "{said}");

    // Nobody at the pedal: it begins the try and nothing ends it.
    browser.go(&server.at("/jobs/footbridge-tie-rod/rehearse")).await;
    browser.wait_text(".drawn .own", "spindle").await;
    browser.comes_to("return document.querySelectorAll('.stage').length", 1).await;
    browser.keys([Key::PageDown]).await;
    browser.wait_text(".rehearse-says", "Now:").await;
    let said = browser.wait_text(".came", "ran into what stands there").await;
    assert!(said.contains("Nothing was done in time"), "{said}");
    // And it ends one.
    browser.breathe().await;
    browser.keys([Key::PageDown]).await;
    browser.wait_text(".rehearse-says", "Now:").await;
    tokio::time::sleep(std::time::Duration::from_millis(1500)).await;
    browser.keys([Key::PageDown]).await;
    browser.wait_text(".came", "the hand").await;

    // Shown slow: as it should be, and each mistake of it.
    browser.click_text(".actions button", "Show me").await;
    browser.wait_text("[role=dialog]", "Nothing went wrong").await;
    browser.click_text("[role=dialog] .plays button", "Nobody at the lever").await;
    browser.wait_text("[role=dialog] .came", "ran into what stands there").await;
    browser.close_leaf().await;
    browser.close().await;
}

#[tokio::test]
async fn motion_is_kept_from_eyes_that_do_not_want_it() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    // How often it is put elsewhere, a second: looked at by when, since a busy machine may hold the looking up.
    let places = "window.moved = []; const bit = document.querySelector('.stage > svg g'); let was = '';
        new MutationObserver(() => { const is = bit.getAttribute('transform'); if (is !== was) window.moved.push(performance.now()); was = is; }).observe(bit, { attributes: true })";
    let often = "const m = window.moved; return m.length < 4 ? 0 : (1000 * (m.length - 1)) / (m.at(-1) - m[0])";
    for seldom in [true, false] {
        browser.motion(!seldom).await;
        browser.go(&server.at("/jobs/sluice-vice-screw/rehearse")).await;
        begun(&browser).await;
        tokio::time::sleep(std::time::Duration::from_millis(1300)).await;
        browser.script(places).await;
        tokio::time::sleep(std::time::Duration::from_millis(1500)).await;
        let often = browser.script(often).await.as_f64().unwrap();
        assert!(if seldom { often < 5.0 && often > 1.0 } else { often > 6.0 }, "seldom {seldom}: {often} a second");
    }
    browser.close().await;
}

/// By the collar: in, slowly, held at nought, one step deeper, go; and away from the chuck, where forward is the wrong way first.
#[tokio::test]
async fn the_collar_is_wound_to_nought_and_away_from_the_chuck_is_reversed() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    browser.motion(true).await;
    browser.size((1024, 768)).await;
    browser.go(&server.at("/jobs/footbridge-tie-rod/rehearse")).await;
    choose(&browser, "Out, back to nought").await;
    assert_eq!(browser.script("return document.querySelectorAll('.wound-collar .wanted').length").await, 0, "more than a turn out");
    browser.breathe().await;
    browser.keys([" "]).await;
    browser.wait_text(".rehearse-says", "Now: watch the collar").await;
    // 1.25 mm are wound at a tenth of a turn of 2.54 a second: held so late, it stands by a tenth of a turn a second past.
    let hand = "const press = key => { const e = new KeyboardEvent('keydown', { key }); window.dispatchEvent(e); return e.timeStamp; };
        setTimeout(() => { press('1'); setTimeout(() => { const slow = press('2');
            setTimeout(() => { window.late = (press('3') - slow) / 1000 - 1.25 / 0.254; setTimeout(() => { press('4'); setTimeout(() => press('5'), 900); }, 900); }, 4921);
        }, 1500); }, 1500)";
    browser.script(hand).await;
    let said = browser.wait_text(".came", "as the pass began").await;
    let off = 10.0 * browser.script("return window.late").await.as_f64().unwrap();
    // Half a division either way is at its figure; between the two a keypress stamped a little late may be either.
    assert!(off > 0.4 || said.contains("at its figure"), "{off}: {said}");
    assert!(off < 0.6 || said.contains("past its figure"), "{off}: {said}");
    assert!(said.contains("one step on"), "{said}");
    assert!(browser.axe().await.is_empty(), "{:?}", browser.axe().await);
    // Every key of it stands on the page, by touch.
    choose(&browser, "Away from the chuck").await;
    browser.breathe().await;
    browser.touch(".rehearse-keys .act").await;
    browser.wait_text(".rehearse-says", "Now:").await;
    assert_eq!(
        browser.script("return [...document.querySelectorAll('.rehearse-keys .act')].every(b => b.getBoundingClientRect().bottom < innerHeight)").await,
        true
    );
    tokio::time::sleep(std::time::Duration::from_millis(1500)).await;
    browser.touch(".rehearse-keys .act:nth-child(1)").await;
    tokio::time::sleep(std::time::Duration::from_millis(1500)).await;
    browser.touch(".rehearse-keys .act:nth-child(5)").await;
    let said = browser.wait_text(".came", "ran into what stands there").await;
    assert!(said.contains("In reverse it cuts"), "{said}");
    browser.close().await;
}

/// The learner's path, and stops made at the lathe itself.
#[tokio::test]
async fn a_path_of_ten_tasks_is_gone_and_stops_at_the_lathe_told() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    browser.motion(true).await;
    browser.go(&server.at("/jobs/footbridge-tie-rod/rehearse")).await;
    browser.click_text(".act", "Learner’s path").await;
    browser.wait_text(".path", "It was no luck").await;
    let tasks = browser.page.find_all(thirtyfour::By::Css(".path .choice")).await.unwrap();
    assert_eq!(tasks.len(), 10);
    assert!(browser.axe().await.is_empty(), "{:?}", browser.axe().await);
    // A task is begun by a touch: its drill is the one on the page.
    browser.touch(".path li:nth-child(2) .choice").await;
    browser.wait_text(".drawn .own", "The first pass, slow").await;
    // One to be watched opens where it is shown, and is done once it was seen to its end.
    browser.click_text(".act", "Learner’s path").await;
    browser.touch(".path li:nth-child(3) .choice").await;
    browser.wait_text("[role=dialog] .plays [aria-pressed=true]", "Too late").await;
    browser.close_leaf().await;
    let watched = server.at("/api/v1/jobs/footbridge-tie-rod/rehearsal/stop_spindle/watched/right");
    assert!(reqwest::Client::new().put(watched).send().await.unwrap().status().is_success());
    browser.go(&server.at("/jobs/footbridge-tie-rod/rehearse")).await;
    browser.click_text(".act", "Learner’s path").await;
    browser.wait_text(".path li:first-child", "Done").await;
    browser.close_leaf().await;
    // Twelve stops at the lathe, told by their place: they alone make the time shorter, of a job not begun.
    browser.go(&server.at("/jobs/paddle-screw-and-nut/rehearse")).await;
    browser.click_text(".act", "Your hand").await;
    yoke_e2e::retype(&browser.find(".at-lathe input[name=rpm]").await, "30").await;
    for i in 0..12_u8 {
        let field = browser.find(".at-lathe input:not([name=rpm])").await;
        yoke_e2e::retype(&field, format!("{:.2} mm{}", 0.95 + 0.02 * f64::from(i % 4), Key::Enter + "")).await;
        server_has(&server, usize::from(i) + 1).await;
        // Kept, it makes room for the next in a field drawn anew.
        browser.comes_to("return document.querySelector('.at-lathe input:not([name=rpm])')?.value", "").await;
    }
    browser.wait_text("[data-sample=lathe_open]", "made at the lathe").await;
    browser.click_text("[data-sample=lathe_open] .act", "Reckon with it").await;
    server.comes_to("paddle-screw-and-nut", "/request/setup/comfort_rpm", 45).await;
    browser.close().await;
}

/// Waits until so many stops at the lathe are kept.
async fn server_has(server: &Server, stops: usize) {
    for _ in 0..200 {
        let shop: Value = reqwest::get(server.at("/api/v1/shop.json")).await.unwrap().json().await.unwrap();
        let sheet = shop["sheets"].as_array().unwrap().iter().find(|s| s["kind"] == "rehearsed").cloned().unwrap_or_default();
        if sheet["body"]["lathe_open"].as_array().is_some_and(|list| list.len() == stops) {
            return;
        }
        tokio::time::sleep(std::time::Duration::from_millis(40)).await;
    }
    panic!("{stops} stops are never kept");
}
