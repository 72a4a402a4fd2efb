//! Everything of a station in one look: every view and every leaf, three sizes, at the desk and at the bench, on jobs with the longest
//! callouts and titles. Nothing nested, nothing cut, no text on text, on a line or out of its frame, no target too small.

use serde_json::{Value, json};
use thirtyfour::prelude::*;
use yoke_e2e::{Browser, Server, proving};

const ONE_LOOK: &str = include_str!("one_look.js");
const CONTRAST: &str = include_str!("contrast.js");
const SIZES: [(u32, u32); 3] = [(1280, 800), (1024, 768), (768, 1024)];
const STATIONS: [&str; 9] = ["thread", "blank", "gears", "bit", "setup", "cut", "gauge", "log", "rehearse"];
/// Jobs of the yard that differ most: to a shoulder and begun, a pair, inside and blind, one that stops to be measured, a batch.
const JOBS: [&str; 4] = ["footbridge-tie-rod", "paddle-screw-and-nut", "gauge-board-cap", "sluice-vice-screw"];

/// Pages beside the stations, each with what shows that it is drawn.
const PAGES: [(&str, &str); 15] = [
    ("/jobs/paddle-screw-and-nut/part", ".part-drawing"),
    ("/jobs/gauge-board-cap/part", ".part-drawing"),
    ("/shop/lathes/long-bed?ask=screw", ".asked"),
    ("/shop/lathes/gap-bed?ask=pitches", ".asked"),
    ("/", ".jobs li"),
    ("/shop", "main li"),
    ("/shop/lathes/gap-bed", ".parts-said"),
    ("/shop/lathes/gap-bed/instruments", ".instrument"),
    ("/shop/network", ".network .act"),
    ("/jobs/windlass-bolt--as-found/thread", ".may .first"),
    ("/jobs/paddle-screw-and-nut/route", ".chucking"),
    ("/jobs/turnbuckle-ends--six/batch", ".tally"),
    ("/jobs/footbridge-tie-rod/paper", ".sheet-choice"),
    ("/jobs/footbridge-tie-rod/at-the-lathe", ".setting"),
    ("/jobs/gauge-board-cap/at-the-lathe", ".lathe-key"),
];

async fn faults(browser: &Browser) -> Vec<String> {
    serde_json::from_value(browser.script(ONE_LOOK).await).unwrap()
}

/// Jobs made up: long callouts, long titles, several starts, everything told or nothing.
async fn made(server: &Server) -> Vec<String> {
    let mut ids = Vec::new();
    for (title, request) in [
        (
            "Spindle of the lower tide mill, second sluice, as drawn in the old yard book",
            json!({"thread": {"callout": "1-1/4-5 Acme-2G LH", "starts": 3, "length_mm": 1234.5}, "lathe_id": "long-bed", "bit": {"tip_flat_between_mm": [0.5, 2.0]}, "blank": {"shoulder": true}}),
        ),
        ("Cap", json!({"thread": {"callout": "M4x0.7-6H", "length_mm": 6}, "lathe_id": "bench", "blank": {"shoulder": true, "material": "bronze"}})),
    ] {
        let answer = reqwest::Client::new().post(server.at("/api/v1/jobs")).json(&json!({"title": title, "request": request})).send().await.unwrap();
        let job: Value = answer.json().await.unwrap();
        ids.push(job["id"].as_str().unwrap_or_else(|| panic!("{job}")).to_owned());
    }
    ids
}

/// Waits until a station is drawn, and nothing moves any more.
async fn settled(browser: &Browser, station: &str) {
    browser.find(&format!("main[data-station={station}] .station")).await;
    let still =
        "const o = document.querySelectorAll('.outline svg, .story, .check li, .log-drawn.nothing').length; return o > 0 && document.fonts.status === 'loaded'";
    for _ in 0..100 {
        if browser.script(still).await == true {
            break;
        }
        tokio::time::sleep(std::time::Duration::from_millis(30)).await;
    }
    tokio::time::sleep(std::time::Duration::from_millis(60)).await;
}

/// Closes the leaf that is open; says so where the focus then falls to the page, and not to what opened it.
async fn closed(browser: &Browser) -> Option<&'static str> {
    browser.close_leaf().await;
    for _ in 0..20 {
        if browser.script("return document.activeElement !== document.body && Boolean(document.activeElement)").await == true {
            return None;
        }
        tokio::time::sleep(std::time::Duration::from_millis(30)).await;
    }
    Some("the focus fell to the page")
}

async fn stands(browser: &Browser, server: &Server, at: Value) {
    browser.go(&server.at("/")).await;
    browser.script(&format!("localStorage.setItem('stands', JSON.stringify({at}))")).await;
    browser.go(&server.at("/")).await;
}

#[tokio::test]
async fn every_station_is_seen_in_one_look_at_the_desk() {
    every_station("desk").await;
}

#[tokio::test]
async fn every_station_is_seen_in_one_look_at_the_bench() {
    every_station("bench").await;
}

async fn every_station(at: &str) {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    let made = made(&server).await;
    let (mut wrong, mut turn) = (Vec::new(), usize::from(at == "bench"));
    stands(&browser, &server, json!(at)).await;
    for (n, size) in SIZES.into_iter().enumerate() {
        browser.size(size).await;
        let all: Vec<String> = JOBS.iter().map(|j| (*j).to_owned()).chain(made.iter().cloned()).collect();
        // Every job at every size when all is proven; else each size has its own of them.
        let jobs = all.iter().cycle().skip(turn).take(if proving() {
            all.len()
        } else if at == "desk" {
            3
        } else {
            1
        });
        turn += 2;
        for job in jobs {
            browser.turn(&format!("/jobs/{job}/thread")).await;
            for (station, key) in STATIONS.iter().zip(["1", "2", "3", "4", "5", "6", "7", "8", "9"]) {
                browser.keys([key]).await;
                settled(&browser, station).await;
                wrong.extend(faults(&browser).await.into_iter().map(|f| format!("{at} {size:?} {job} {station}: {f}")));
            }
        }
        // Likewise every page at every size, or each size a third of them, the bench another than the desk.
        let third = n + usize::from(at == "bench");
        for (path, ready) in PAGES.iter().enumerate().filter(|(i, _)| proving() || (i + third) % 3 == 0).map(|(_, page)| page) {
            browser.turn(path).await;
            browser.find(ready).await;
            browser.quiet().await;
            wrong.extend(faults(&browser).await.into_iter().map(|f| format!("{at} {size:?} {path}: {f}")));
        }
    }
    browser.script("localStorage.clear()").await;
    browser.close().await;
    assert!(wrong.is_empty(), "{} faults:\n{}", wrong.len(), wrong.join("\n"));
}

#[tokio::test]
async fn every_leaf_fits_with_its_pad_and_its_buttons() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    let mut wrong = Vec::new();
    let mut opened = 0;
    let keys = "const all = [...document.querySelectorAll('.drawn .own button.word:not([disabled]), .station > aside .actions button, .station > aside .why, .carry .opens')].filter(e => getComputedStyle(e).visibility !== 'hidden');";
    for ((size, job), turn) in SIZES.into_iter().zip(["footbridge-tie-rod", "gauge-board-cap", "mill-bearing-stud"]).zip(0..) {
        // Each way a screen stands has a size of its own, and both have the smallest.
        stands(&browser, &server, json!(if turn == 0 { "desk" } else { "bench" })).await;
        browser.size(size).await;
        // All of them when all is proven; else each size has a third.
        for (_, station) in STATIONS.into_iter().enumerate().filter(|(i, _)| proving() || i % 3 == turn) {
            browser.turn(&format!("/jobs/{job}/{station}")).await;
            settled(&browser, station).await;
            let n = browser.script(&format!("{keys} return all.length")).await.as_u64().unwrap();
            for i in 0..n {
                let name = browser.script(&format!("{keys} all[{i}]?.focus(); all[{i}]?.click(); return all[{i}]?.textContent ?? ''")).await;
                let name = name.as_str().unwrap_or_default().to_owned();
                tokio::time::sleep(std::time::Duration::from_millis(150)).await;
                if browser.page.find_all(By::Css("[role=dialog]")).await.unwrap().is_empty() {
                    continue;
                }
                opened += 1;
                let at = format!("{size:?} {job} {station}, “{name}”");
                wrong.extend(faults(&browser).await.into_iter().map(|f| format!("{at}: {f}")));
                wrong.extend(closed(&browser).await.into_iter().map(|f| format!("{at}: {f}")));
            }
        }
        // And those beside the lathe, each by its key.
        browser.turn("/jobs/footbridge-tie-rod/at-the-lathe").await;
        browser.find(".setting").await;
        for key in ["m", "o", "d", "t"] {
            browser.keys([key]).await;
            browser.find("[role=dialog]").await;
            tokio::time::sleep(std::time::Duration::from_millis(200)).await;
            opened += 1;
            wrong.extend(faults(&browser).await.into_iter().map(|f| format!("{size:?} at the lathe, {key}: {f}")));
            closed(&browser).await;
        }
    }
    browser.close().await;
    assert!(opened > 30, "{opened} leaves opened");
    assert!(wrong.is_empty(), "{} faults:\n{}", wrong.len(), wrong.join("\n"));
}

#[tokio::test]
async fn what_is_amiss_in_a_view_is_seen() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    browser.go(&server.at("/jobs/footbridge-tie-rod/blank")).await;
    settled(&browser, "blank").await;
    assert!(faults(&browser).await.is_empty(), "{:?}", faults(&browser).await);
    for (spoil, wanted) in [
        (
            "const t = document.querySelectorAll('.outline text'); t[1].setAttribute('x', t[0].getAttribute('x')); t[1].setAttribute('y', t[0].getAttribute('y'))",
            "stands on",
        ),
        (
            "const t = document.querySelectorAll('.outline text')[2]; const m = document.querySelector('.blank-metal').getBBox(); t.setAttribute('x', m.x + m.width); t.setAttribute('y', m.y + m.height / 2)",
            "runs through",
        ),
        ("document.querySelector('.outline text').setAttribute('x', '-9999')", "out of its frame"),
        ("document.querySelector('.station > aside').style.paddingTop = '900px'", "figures scroll"),
        ("document.querySelector('.actions button').style.cssText = 'min-height: 0; height: 20px'", "is 20 high"),
    ] {
        browser.go(&server.at("/jobs/footbridge-tie-rod/blank")).await;
        settled(&browser, "blank").await;
        browser.script(spoil).await;
        let found = faults(&browser).await;
        assert!(found.iter().any(|f| f.contains(wanted)), "{wanted}: {found:?}");
    }
    browser.close().await;
}

/// Every text told from what it stands on, in both looks when all is proven, else in one and the next in the other: on drawings and half-clear surfaces too, where axe cannot say.
#[tokio::test]
async fn every_text_is_told_from_what_it_stands_on() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    let mut wrong = Vec::new();
    browser.go(&server.at("/")).await;
    for dark in [false, true] {
        browser.look(dark).await;
        let turn = |n: usize| proving() || (n % 2 == 1) == dark;
        for (_, station) in STATIONS.into_iter().enumerate().filter(|(n, _)| turn(*n)) {
            browser.turn(&format!("/jobs/footbridge-tie-rod/{station}")).await;
            settled(&browser, station).await;
            let found: Vec<String> = serde_json::from_value(browser.script(CONTRAST).await).unwrap();
            wrong.extend(found.into_iter().map(|f| format!("dark {dark}, {station}: {f}")));
        }
        for (_, (path, ready)) in PAGES.into_iter().enumerate().filter(|(n, _)| turn(*n)) {
            browser.turn(path).await;
            browser.find(ready).await;
            browser.quiet().await;
            let found: Vec<String> = serde_json::from_value(browser.script(CONTRAST).await).unwrap();
            wrong.extend(found.into_iter().map(|f| format!("dark {dark}, {path}: {f}")));
        }
    }
    browser.close().await;
    assert!(wrong.is_empty(), "{} texts:\n{}", wrong.len(), wrong.join("\n"));
}

/// Numbers that change by themselves, told at another screen, move nothing on the page.
#[tokio::test]
async fn nothing_jumps_as_numbers_change() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    let job = "moves";
    let new = json!({"callout": "M16x2", "lathe_id": "gap-bed", "id": job});
    reqwest::Client::new().post(server.at("/api/v1/jobs")).json(&new).send().await.unwrap().error_for_status().unwrap();
    // Told once already: the words stay, the numbers change.
    server.tell(job, json!({"blank": {"diameter_mm": 15.8}, "bit": {"tip_flat_mm": 0.28}, "setup": {"spindle_rpm": 60}})).await;
    for (station, told, seen) in [
        ("blank", json!({"blank": {"diameter_mm": 15.9}}), "15.900"),
        ("cut", json!({"bit": {"tip_flat_mm": 0.31}}), "0.31"),
        ("setup", json!({"setup": {"spindle_rpm": 90}}), "90 rpm"),
    ] {
        browser.go(&server.at(&format!("/jobs/{job}/{station}"))).await;
        settled(&browser, station).await;
        browser.shifted().await;
        server.tell(job, told).await;
        browser.wait_text("main", seen).await;
        tokio::time::sleep(std::time::Duration::from_millis(300)).await;
        let moved = browser.shifted().await;
        // Half of what browsers call good: a list may break its lines otherwise where its words change.
        assert!(moved < 0.05, "{station}: {moved}");
    }
    // And beside the lathe, pass after pass told from another.
    browser.stand(&server.at(&format!("/jobs/{job}/at-the-lathe"))).await;
    browser.find(".setting").await;
    tokio::time::sleep(std::time::Duration::from_millis(300)).await;
    browser.shifted().await;
    let passes = server.job(job).await["plan"]["run"]["passes"].clone();
    let first = json!(passes.as_array().unwrap().iter().take(4).collect::<Vec<_>>());
    server.cut(job, &first, "p").await;
    browser.wait_text(".lathe header", "Pass 4").await;
    tokio::time::sleep(std::time::Duration::from_millis(300)).await;
    let moved = browser.shifted().await;
    assert!(moved < 0.05, "beside the lathe: {moved}");
    browser.close().await;
}
