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
    let foreign = ["half-nut", "Half-nut", "compound", "Compound", "center", "Center"];
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
    browser.find_text("[role=dialog] [role=radio]", "clasp nut").await.click().await.unwrap();
    browser.wait_text(".carry", "top slide").await;
    let words = reqwest::get(server.at("/api/v1/words")).await.unwrap().text().await.unwrap();
    assert!(words.contains("british"), "{words}");
    let mut wrong = Vec::new();
    let stations = ["thread", "blank", "gears", "bit", "setup", "cut", "gauge", "log", "at-the-lathe", "route", "paper"];
    let pages = stations.iter().map(|s| format!("/jobs/mill-bearing-stud/{s}")).chain(["/".into(), "/shop/lathes/long-bed".into()]);
    for page in pages {
        browser.go(&server.at(&page)).await;
        browser.find("main").await;
        tokio::time::sleep(std::time::Duration::from_millis(500)).await;
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
        tokio::time::sleep(std::time::Duration::from_millis(500)).await;
        let heard = browser.script(HEARD).await;
        wrong.extend(amiss(heard.as_str().unwrap_or_default()).into_iter().map(|line| format!("tie rod, {page}: {line}")));
    }
    browser.close().await;
    assert!(wrong.is_empty(), "{} lines amiss:\n{}", wrong.len(), wrong.join("\n"));
}
