//! One voice on the page: a job in inches and in British words through every station, the lathe, trouble, route, paper, board and shop.

use std::collections::BTreeSet;
use yoke_e2e::{Browser, Server};

/// All that a page says: seen, drawn, and told to those who cannot see it.
const HEARD: &str = "return [document.body.innerText, ...[...document.querySelectorAll('[aria-label]')].map(e => e.getAttribute('aria-label')), \
                     ...[...document.querySelectorAll('svg text')].map(e => e.textContent)].join('\\n')";

/// What the owner named, and what stands in its own unit by intent: a dial's figure in brackets, a metric pitch, a drill, a paper's size.
const BY_INTENT: [&str; 12] =
    [" div (", "on the top slide", "HSS", "bar 12 mm", "-25 mm", "carbide", "itch", "Drill", "drill", "148 \u{d7} 105", "80 \u{d7} 200", "bar of 50 mm"];

/// Lines that speak otherwise than in inches and British.
fn amiss(heard: &str) -> BTreeSet<String> {
    let foreign = ["half-nut", "Half-nut", "compound", "Compound", "center", "Center", " bit", "Bit"];
    let in_mm = |line: &str| {
        let words: Vec<&str> = line.split_whitespace().collect();
        words.windows(2).any(|w| {
            w[0].ends_with(|c: char| c.is_ascii_digit())
                && ["mm", "\u{b5}m", "mm\u{b2}", "m/min"].iter().any(|u| w[1].trim_end_matches(['.', ',', ';', ':', ')']) == *u)
        })
    };
    let named = |line: &str| BY_INTENT.iter().any(|n| line.contains(n));
    heard.lines().filter(|line| foreign.iter().any(|f| line.contains(f)) || in_mm(line) && !named(line)).map(str::to_owned).collect()
}

#[tokio::test]
async fn an_inch_job_in_british_words_is_spoken_so_on_every_page() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    browser.go(&server.at("/jobs/mill-bearing-stud/cut")).await;
    browser.wait_text(".carry", "compound").await;
    // Chosen once, by keyboard, for every screen of the shop.
    browser.keys(["?"]).await;
    browser.click_text("[role=dialog] [role=radio]", "clasp nut").await;
    browser.wait_text(".carry", "top slide").await;
    let words = reqwest::get(server.at("/api/v1/words")).await.unwrap().text().await.unwrap();
    assert!(words.contains("british"), "{words}");
    let mut wrong = Vec::new();
    let stations = ["thread", "blank", "gears", "bit", "setup", "cut", "gauge", "log", "at-the-lathe", "route", "paper"];
    let pages = stations.iter().map(|s| format!("/jobs/mill-bearing-stud/{s}")).chain(["/".into(), "/shop/lathes/long-bed".into()]);
    for page in pages {
        browser.go(&server.at(&page)).await;
        browser.find("main").await;
        browser.quiet().await;
        let heard = browser.script(HEARD).await;
        wrong.extend(amiss(heard.as_str().unwrap_or_default()).into_iter().map(|line| format!("{page}: {line}")));
    }
    // One begun in millimetres, at the lathe, speaks in inches when asked, and its dial its own divisions.
    browser.go(&server.at("/jobs/footbridge-tie-rod/cut")).await;
    browser.wait_text(".carry", " mm").await;
    browser.keys(["i"]).await;
    browser.wait_text(".carry", " in").await;
    for page in ["cut", "gauge", "log", "at-the-lathe"] {
        browser.go(&server.at(&format!("/jobs/footbridge-tie-rod/{page}"))).await;
        browser.find("main").await;
        browser.quiet().await;
        let heard = browser.script(HEARD).await;
        wrong.extend(amiss(heard.as_str().unwrap_or_default()).into_iter().map(|line| format!("tie rod, {page}: {line}")));
    }
    browser.close().await;
    assert!(wrong.is_empty(), "{} lines amiss:\n{}", wrong.len(), wrong.join("\n"));
}

/// Words that stand in nothing German.
const ENGLISH: [&str; 18] =
    ["the", "and", "set", "tool", "half-nut", "carriage", "turn", "div", "pass", "done", "undo", "measure", "leave", "wires", "gears", "depth", "exact", "rpm"];

/// Lines of a part of the page that are English.
async fn english(browser: &Browser, part: &str) -> Vec<String> {
    let said = browser.text(part).await;
    let is = |line: &str| line.split(|c: char| !c.is_alphabetic() && c != '-').any(|w| ENGLISH.contains(&w.to_lowercase().as_str()));
    said.lines().filter(|line| is(line)).map(str::to_owned).collect()
}

#[tokio::test]
async fn the_lathe_and_the_card_speak_german_where_the_shop_does() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    browser.go(&server.at("/")).await;
    browser.find(".type-and-go").await;
    browser.keys(["?"]).await;
    browser.click_text("[role=dialog] [role=radio]", "Deutsch").await;
    // The page is drawn anew once the words have come, and its leaf with it.
    while !browser.script("return localStorage.getItem('words') ?? ''").await.as_str().is_some_and(|kept| kept.starts_with(r#"{"words":"german""#)) {
        tokio::time::sleep(std::time::Duration::from_millis(50)).await;
    }
    browser.close_leaf().await;
    browser.keys(["/"]).await;
    browser.find("[role=dialog] input").await.send_keys("7/8-9 UNC").await.unwrap();
    browser.wait_text("[role=dialog] .card", "Wechselräder").await;
    assert_eq!(browser.script("return document.querySelector('.card').lang").await, "de");
    assert_eq!(english(&browser, "[role=dialog] .card").await, Vec::<String>::new());
    browser.close_leaf().await;
    // A cut begun in English goes on in German: its cycle, its setting, its end.
    browser.go(&server.at("/jobs/footbridge-tie-rod/at-the-lathe")).await;
    browser.wait_text(".lathe", "Schlossmutter").await;
    let first = browser.text(".pass-name").await;
    assert!(first.starts_with("Schnitt "), "{first}");
    assert_eq!(english(&browser, ".lathe header").await, Vec::<String>::new());
    assert_eq!(english(&browser, ".lathe main").await, Vec::<String>::new());
    browser.breathe().await;
    browser.one_pass().await;
    browser.wait_text(".lathe .setting", "Teilstr").await;
    assert_ne!(browser.text(".pass-name").await, first);
    // Told at another screen, words that come while this one opens are spoken in by the first page already.
    reqwest::Client::new().put(server.at("/api/v1/words")).json(&serde_json::json!({"words": "american"})).send().await.unwrap().error_for_status().unwrap();
    browser.go(&server.at("/jobs/footbridge-tie-rod/at-the-lathe")).await;
    browser.wait_text(".lathe", "half-nut").await;
    browser.wait_text(".pass-name", "Pass ").await;
    browser.close().await;
}
