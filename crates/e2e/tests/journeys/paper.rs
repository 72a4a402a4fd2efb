//! Paper and copies: cards and sheets printed by the browser with their text read back; backed up, wiped, and restored.

use serde_json::json;
use std::process::Command;
use yoke_e2e::{Browser, Server, program};

async fn sheet(browser: &Browser, name: &str, waits_for: &str) -> Vec<String> {
    browser.click_text(".sheet-choice .choice", name).await;
    browser.wait_text(".paper", waits_for).await;
    // Pictures on it are there before it is printed.
    browser.script("return Promise.all([...document.querySelectorAll('.paper img')].map(i => i.decode()))").await;
    browser.printed().await
}

#[tokio::test]
async fn a_card_a_job_card_and_a_grinding_sheet_are_printed_and_read_back() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    let id = "footbridge-tie-rod";
    let plan = server.job(id).await["plan"].clone();
    browser.go(&server.at(&format!("/jobs/{id}/gears"))).await;
    browser.wait_text(".sentence", "M20").await;
    browser.keys(["p"]).await;
    browser.find(".paper").await;
    assert!(browser.axe().await.is_empty(), "{:?}", browser.axe().await);
    // The page's own print is asked for by P, and by touch.
    browser.script("window.printed = 0; window.print = () => { window.printed += 1; }").await;
    browser.keys(["p"]).await;
    browser.touch("aside .act").await;
    browser.comes_to("return window.printed", 2).await;
    let has = |text: &str, wanted: &[&str]| {
        for w in wanted {
            assert!(text.contains(w), "{w:?} is not on\n{text}");
        }
    };
    let text = |at: &str| plan.pointer(at).unwrap().as_str().unwrap().to_owned();
    let (turn, depth, over) = (text("/blank/aim_mm/text"), text("/cut/full_depth/text"), text("/gauge/over_wires_mm/target/text"));
    // Each sheet bears the part and the day, and what it is for; nothing of the screen round it is printed.
    let head = ["Footbridge tie rod", "M20×2.5-6g", "2026"];
    let card = sheet(&browser, "Ten-second card", "Over wires").await;
    assert_eq!(card.len(), 1, "one card");
    has(&card[0], &head);
    has(&card[0], &[&turn, &depth, &over, "40·100 / 80·127"]);
    assert!(!card[0].contains("Print it") && !card[0].contains("Its stations"), "{}", card[0]);
    let page = sheet(&browser, "Job card", "Passes").await;
    assert_eq!(page.len(), 1, "one page");
    has(&page[0], &head);
    has(&page[0], &[&turn, &over, "Relief", "Chamfer", "Proof", "scratch"]);
    let last = plan["cut"]["passes"].as_array().unwrap().last().unwrap()["dial"][0]["reading"].as_str().unwrap().to_owned();
    assert!(page[0].matches(&last).count() >= 3, "every pass is on it, the springs too");
    let grind = sheet(&browser, "Grinding sheet", "At its own size").await;
    has(&grind[0], &head);
    has(&grind[0], &["This bar is 50 mm when the print is 1:1", "This bar is 50 mm when the print is 10:1", "leading side"]);
    let pocket = sheet(&browser, "Pocket card", "scratch").await;
    assert_eq!(pocket.len(), 1);
    has(&pocket[0], &head);
    has(&sheet(&browser, "Route sheet", "Saw the stock").await.concat(), &["Before it leaves this chuck", "Part off"]);
    has(&sheet(&browser, "Pitch chart", "80").await.concat(), &["Footbridge tie rod", "Drivers / driven"]);
    // The bar is 50 mm on the paper: its picture is as many mm wide on the page as it says it is.
    browser.click_text(".sheet-choice .choice", "Grinding").await;
    browser.wait_text(".paper", "ten times").await;
    let wide = browser.script("return Promise.all([...document.querySelectorAll('.paper img')].map(async i => { await i.decode(); return [i.getBoundingClientRect().width, i.naturalWidth]; }))").await;
    for pair in wide.as_array().unwrap() {
        assert!((pair[0].as_f64().unwrap() - pair[1].as_f64().unwrap()).abs() < 1.0, "never scaled: {wide}");
    }
    assert!(browser.blocked().await.is_empty(), "{:?}", browser.blocked().await);
    browser.close().await;
}

#[tokio::test]
async fn long_and_short_jobs_alike_have_one_page_on_a4_and_on_letter() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    let nut = server.job("paddle-screw-and-nut").await["members"][0]["id"].as_str().unwrap().to_owned();
    server.tell("sluice-vice-screw", json!({"cut": {"passes": 200}})).await;
    // Letter is the shorter page: what stands on it stands on A4.
    for (id, pages) in
        [("paddle-screw-and-nut", ["Letter", "A4"].as_slice()), (&nut, &["Letter"]), ("gauge-board-cap", &["Letter"]), ("sluice-vice-screw", &["Letter", "A4"])]
    {
        browser.go(&server.at(&format!("/jobs/{id}/paper"))).await;
        browser.find(".paper").await;
        browser.click_text(".sheet-choice .choice", "Job card").await;
        for page in pages {
            browser.click_text(".choice", page).await;
            browser.find(&format!(".on-{}", page.to_lowercase())).await;
            let printed = browser.printed().await;
            assert_eq!(printed.len(), 1, "{id} on {page}: {}", printed.concat());
        }
        browser.click_text(".sheet-choice .choice", "Pocket").await;
        browser.find(".on-pocket").await;
        // Two hundred passes are more than a pocket card holds: they go on, none left out.
        let pocket = browser.printed().await;
        let passes = server.job(id).await["plan"]["cut"]["passes"].as_array().unwrap().len();
        assert_eq!(pocket.len(), if passes > 96 { 2 } else { 1 }, "{id}, for the pocket");
    }
    browser.close().await;
}

#[tokio::test]
async fn a_shop_is_backed_up_wiped_and_restored_and_the_screen_shows_it_again() {
    let folder = tempfile::tempdir().unwrap();
    let mut server = Server::start(folder.path());
    let browser = Browser::open().await;
    let id = "mill-bearing-stud";
    server.act(id, "note", json!({"kind": "note", "text": "Chalked the bearing race"})).await;
    browser.go(&server.at(&format!("/jobs/{id}/route"))).await;
    browser.touch(".chucking li:nth-child(1) .tick").await;
    browser.find(".chucking li:nth-child(1) .done-op").await;
    let file = folder.path().join("shop.copy");
    let run = |what: &str| Command::new(program("yoke-turn")).arg(what).arg(&file).arg("--data").arg(folder.path()).output().unwrap();
    let backed_up = run("backup");
    assert!(backed_up.status.success(), "{}", String::from_utf8_lossy(&backed_up.stderr));
    // Wiped: nothing of the shop is left but the copy.
    server.kill();
    for ending in ["yoke-turn.db", "yoke-turn.db-wal", "yoke-turn.db-shm"] {
        let _ = std::fs::remove_file(folder.path().join(ending));
    }
    let restored = run("restore");
    assert!(restored.status.success() && String::from_utf8_lossy(&restored.stdout).contains("14 jobs"), "{restored:?}");
    server.restart();
    browser.go(&server.at("/")).await;
    browser.wait_text(".jobs", "Turnbuckle ends, six").await;
    browser.go(&server.at(&format!("/jobs/{id}/log"))).await;
    browser.wait_text(".sentence", "7/8").await;
    assert_eq!(server.job(id).await["sequence"], 1);
    browser.go(&server.at(&format!("/jobs/{id}/route"))).await;
    browser.find(".chucking li:nth-child(1) .done-op").await;
    let again = run("restore");
    assert!(String::from_utf8_lossy(&again.stdout).contains("0 jobs"), "nothing is doubled: {again:?}");
    browser.close().await;
}

/// Whatever page is open, what it says is printed, whole and in black on white, and nothing of what is pressed; in the dark look too.
#[tokio::test]
async fn every_page_prints_what_it_says_and_nothing_of_the_screen() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    browser.look(true).await;
    let job = server.job("footbridge-tie-rod").await;
    let lines: Vec<String> = job["plan"]["check"]["lines"].as_array().unwrap().iter().map(|l| l["name"].as_str().unwrap().to_owned()).collect();
    let jobs: serde_json::Value = reqwest::get(server.at("/api/v1/jobs")).await.unwrap().json().await.unwrap();
    let titles: Vec<String> = jobs.as_array().unwrap().iter().filter(|j| j["batch"].is_null()).map(|j| j["title"].as_str().unwrap().to_owned()).collect();
    let words = |list: &[&str]| list.iter().map(|w| (*w).to_owned()).collect::<Vec<_>>();
    for (path, ready, wanted) in [
        ("/jobs/footbridge-tie-rod/setup", ".check li", lines),
        ("/jobs/footbridge-tie-rod/cut", ".carry", words(&["72.5 div", "Set the compound to", "learn under someone qualified"])),
        ("/jobs/footbridge-tie-rod/log", ".story", words(&["Footbridge tie rod"])),
        ("/", ".jobs li", titles),
    ] {
        browser.go(&server.at(path)).await;
        browser.find(ready).await;
        browser.breathe().await;
        let pages = browser.printed().await;
        let text = pages.concat().split_whitespace().collect::<Vec<_>>().join(" ");
        for w in wanted {
            // A title may break its line in a narrow column.
            let found = w.split_whitespace().all(|part| text.contains(part));
            assert!(found, "{w:?} is not on {path}:\n{text}");
        }
        for pressed in ["Dark", "Light", "1 Thread", "Put the day in order", "What if"] {
            assert!(!text.contains(pressed), "{pressed:?} is printed on {path}:\n{text}");
        }
    }
    browser.look(false).await;
    browser.close().await;
}
