//! Gears at the screen: trains narrowed and hung, the pitch chart, a wrong scratch named, endings compared.

use thirtyfour::prelude::*;
use yoke_e2e::{Browser, Server, retype};

#[tokio::test]
async fn trains_are_narrowed_a_scratch_is_named_and_the_chart_is_read() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    browser.go(&server.at("/jobs/mill-bearing-stud/gears")).await;
    browser.click("button[aria-label^='Train:']").await;
    browser.wait_text(".mantine-Modal-body", "trains found").await;
    assert!(browser.axe().await.is_empty(), "{:?}", browser.axe().await);
    browser.click("button[aria-label^='Error allowed']").await;
    browser.click_text(".editor .choice", "exact").await;
    browser.find("button[aria-label='Error allowed, parts per million: exact']").await;
    let job = server.job("mill-bearing-stud").await;
    let rows = job["plan"]["gears"]["trains"].as_array().unwrap();
    assert!(rows.iter().all(|r| r["error_ppm"] == 0.0), "{rows:?}");
    // The one under the focus stands on the arm beside the list at once.
    let other = &rows[1];
    browser.script("document.querySelector('.trains tbody tr:nth-child(2) button').focus()").await;
    browser.find(&format!(".trains .outline svg[aria-label*='{} drives {}']", other["drivers"][0], other["driven"][0])).await;
    // A figure of one's own lets more by; what is kept on stays on, one gear by another.
    browser.click("button[aria-label^='Error allowed']").await;
    retype(&browser.find(".editor input").await, "60" + Key::Enter).await;
    browser.find("button[aria-label='Error allowed, parts per million: within 60 ppm']").await;
    let rows = server.job("mill-bearing-stud").await["plan"]["gears"]["trains"].as_array().unwrap().clone();
    assert!(rows.iter().all(|r| r["error_ppm"].as_f64().unwrap().abs() <= 60.0), "{rows:?}");
    let keeps = ["driving", "driven"];
    for which in keeps {
        browser.click("button[aria-label^='Gears kept on']").await;
        browser.click_text(".editor .choice", which).await;
        browser.find(&format!("button[aria-label^='Gears kept on'][aria-label*='{which}']")).await;
    }
    let kept = server.job("mill-bearing-stud").await["request"]["gears"]["keep"].clone();
    assert!(["drivers", "driven"].iter().all(|s| kept[s].as_array().is_some_and(|l| l.len() == 1)), "{kept}");
    browser.click("button[aria-label^='Gears kept on']").await;
    browser.click_text(".editor .choice", "nothing in particular").await;
    browser.find("button[aria-label='Gears kept on: nothing in particular']").await;
    browser.click("button[aria-label^='Gears changed']").await;
    browser.click_text(".editor .choice", "none").await;
    browser.wait_text(".mantine-Modal-body", "No train passes").await;
    browser.click("button[aria-label^='Gears changed']").await;
    browser.click_text(".editor .choice", "any gears").await;
    browser.find(".mantine-Modal-body td button").await;
    browser.keys([Key::Escape + ""]).await;
    // The chart of its lathe: both units, and the train this pitch would hang.
    browser.click_text(".actions .act", "Pitch chart").await;
    browser.wait_text(".pitch-chart", "0.45 mm").await;
    browser.click_text(".pitch-chart .choice", "Threads per inch").await;
    let chart = browser.wait_text(".pitch-chart", "9 TPI").await;
    let hung = job["plan"]["gears"]["hung"]["train"]["drivers"].as_array().unwrap().iter().map(ToString::to_string).collect::<Vec<_>>().join("·");
    let line = chart.lines().find(|l| l.starts_with("9 TPI")).unwrap();
    assert!(line.contains(&hung) && line.contains("exact"), "{line}");
    assert!(browser.axe().await.is_empty(), "{:?}", browser.axe().await);
    browser.keys([Key::Escape + ""]).await;
    // A scratch twice as coarse, and one that does not read.
    browser.click_text(".actions .act", "What did I hang").await;
    let field = ".lengths input";
    retype(&browser.find(field).await, "thick" + Key::Enter).await;
    browser.wait_text(".lengths .fault", "one turn of the scratch").await;
    let lead = job["plan"]["gears"]["hung"]["lead_mm"]["value"].as_f64().unwrap();
    retype(&browser.find(field).await, format!("{lead:.3} mm") + Key::Enter).await;
    browser.wait_text(".held", "the lead meant").await;
    retype(&browser.find(field).await, "777 mm" + Key::Enter).await;
    browser.wait_text(".held .fault", "0.0008 to 15.748").await;
    browser.keys([Key::Escape + ""]).await;
    // Ways of ending a pass, one of them recommended; another is chosen and followed.
    browser.click("button[aria-label^='How each pass ends']").await;
    let ways = browser.wait_text(".editor", "recommended").await;
    assert!(ways.contains("chalk") && ways.contains("by hand"), "{ways}");
    browser.click_text(".editor .choice", "turn the spindle by hand").await;
    browser.find("button[aria-label='How each pass ends: turn the spindle by hand']").await;
    assert_eq!(server.job("mill-bearing-stud").await["plan"]["setup"]["ending"], "hand");
    browser.close().await;
}

#[tokio::test]
async fn the_day_is_put_in_order_and_a_gear_to_buy_is_named_by_touch() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    browser.size((1024, 768)).await;
    browser.look(true).await;
    browser.go(&server.at("/")).await;
    browser.click_text("button.act", "Put the day in order").await;
    let day = browser.wait_text(".mantine-Modal-body", "changes in all").await;
    assert!(day.contains("Windlass bolt, as found") && day.contains("Left out"), "{day}");
    assert!(browser.axe().await.is_empty(), "{:?}", browser.axe().await);
    browser.click_text(".day a", "Hydrant union").await;
    browser.find("main[data-station=gears]").await;
    browser.click_text(".actions .act", "Make or buy").await;
    // The union's own 11 TPI first, which the drawer already cuts.
    browser.wait_text(".mantine-Modal-body", "This pitch is cut exactly now").await;
    // A list of one's own, a fault in it told without losing it, then mended.
    let own = browser.find(".mantine-Modal-body input").await;
    own.send_keys("1.75, oak").await.unwrap();
    browser.click_text(".mantine-Modal-body .act", "Find gears for these").await;
    browser.wait_text(".mantine-Modal-body .fault", "“oak” is not a pitch").await;
    own.send_keys("\u{8}\u{8}\u{8}27 TPI\n").await.unwrap();
    let told = browser.wait_text(".mantine-Modal-body", "of 2 pitches").await;
    assert!(told.contains("1 of 2") && told.contains("bringing 27 TPI"), "{told}");
    browser.click_text(".mantine-Modal-body .choice", "For inch pitches").await;
    browser.wait_text(".mantine-Modal-body", "TPI").await;
    assert!(browser.axe().await.is_empty(), "{:?}", browser.axe().await);
    browser.close().await;
}
