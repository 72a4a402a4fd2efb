//! Takes one picture of each main view, from the demo yard, into docs/screenshots.
#![allow(clippy::unwrap_used)] // a tool of the workshop: it stops where it fails

use std::path::Path;
use yoke_e2e::{Browser, DESK, Server};

/// Name, path, what shows that it is ready, page size, dark.
type View = (&'static str, &'static str, &'static str, (u32, u32), bool);

const VIEWS: [View; 12] = [
    ("board", "/", ".jobs li", DESK, false),
    ("thread", "/jobs/paddle-screw-and-nut/thread", ".carry", DESK, false),
    ("sample", "/jobs/windlass-bolt--as-found/thread", ".may .first", DESK, false),
    ("blank", "/jobs/footbridge-tie-rod/blank", ".carry", DESK, false),
    ("gears", "/jobs/footbridge-tie-rod/gears", ".carry", DESK, false),
    ("cut", "/jobs/footbridge-tie-rod/cut", ".carry", DESK, false),
    ("gauge", "/jobs/footbridge-tie-rod/gauge", ".carry", DESK, false),
    ("at-the-lathe", "/jobs/footbridge-tie-rod/at-the-lathe", ".setting", DESK, false),
    ("at-the-lathe-portrait", "/jobs/footbridge-tie-rod/at-the-lathe", ".setting", (768, 1024), false),
    ("setup", "/jobs/mill-bearing-stud/setup", ".check li", DESK, false),
    ("bit-dark", "/jobs/gauge-board-cap/bit", ".views .outline", (1024, 768), true),
    ("lathe", "/shop/lathes/gap-bed", ".parts-said", DESK, false),
];

#[tokio::main(flavor = "current_thread")]
async fn main() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    let out = Path::new(env!("CARGO_MANIFEST_DIR")).join("../../docs/screenshots");
    std::fs::create_dir_all(&out).unwrap();
    for (name, path, ready, size, dark) in VIEWS {
        browser.size(size).await;
        browser.look(dark).await;
        browser.go(&server.at(path)).await;
        browser.find(ready).await;
        // Fonts settle after the first paint.
        tokio::time::sleep(std::time::Duration::from_millis(400)).await;
        browser.picture(&out.join(format!("{name}.png"))).await;
        println!("{name}.png");
    }
    // The ten-second card, and a number's working.
    browser.size(DESK).await;
    browser.look(false).await;
    browser.go(&server.at("/")).await;
    browser.find("input[aria-label=Callout]").await.send_keys("M20x2.5-6g").await.unwrap();
    browser.wait_text(".card", "Over wires").await;
    browser.picture(&out.join("type-and-go.png")).await;
    browser.go(&server.at("/jobs/gauge-board-cap/setup")).await;
    browser.find_text(".views .choice", "From above").await.click().await.unwrap();
    browser.find(".from-above svg").await;
    browser.picture(&out.join("from-above.png")).await;
    // The pair in mesh, and the bench pad with a sum that feeds the card.
    browser.go(&server.at("/jobs/paddle-screw-and-nut/thread")).await;
    browser.find("button[aria-pressed]").await.click().await.unwrap();
    browser.wait_text(".carry", "Clearance at the pitch line").await;
    browser.picture(&out.join("pair.png")).await;
    let pad = serde_json::json!({"request": {"pad": [
        {"name": "to the far wall", "kind": "gap_less_pin", "figures": [{"value": 28.5}, {"value": 6}]},
        {"name": "relief", "kind": "metal_left", "figures": [{"from": "to the far wall"}, {"value": 18}], "feeds": "relief_width"},
    ]}});
    reqwest::Client::new().patch(server.at("/api/v1/jobs/gauge-board-cap")).header("If-Match", "1").json(&pad).send().await.unwrap();
    browser.go(&server.at("/jobs/gauge-board-cap/blank")).await;
    browser.wait_text(".outline", "4.5 mm").await;
    browser.keys(["b"]).await;
    browser.wait_text(".bench-pad", "4.500 mm, the relief width").await;
    browser.picture(&out.join("bench-pad.png")).await;
    // A trouble, with its causes as this job's numbers rank them.
    browser.go(&server.at("/jobs/footbridge-tie-rod/gauge")).await;
    browser.find_text(".actions .act", "Trouble").await.click().await.unwrap();
    browser.find_text(".symptoms .choice", "wrong pitch").await.click().await.unwrap();
    browser.find(".causes .cause.shown").await;
    browser.picture(&out.join("trouble.png")).await;
    browser.go(&server.at("/jobs/footbridge-tie-rod/cut")).await;
    browser.find(".carry .opens").await.click().await.unwrap();
    browser.wait_text("[role=dialog]", "From:").await;
    browser.picture(&out.join("working.png")).await;
    // A stud cut, read twice and cut again: its story.
    let id = "mill-bearing-stud";
    let stud = server.job(id).await;
    let run = &stud["plan"]["run"];
    server.cut(id, &run["passes"], "p").await;
    let high = run["limits_mm"][1].as_f64().unwrap();
    let read = |mm: f64| serde_json::json!({"kind": "measured", "pitch_diameter_mm": mm, "instrument": "25-50"});
    let first = server.act(id, "r1", read(high + 0.08)).await;
    server.cut(id, &first["run"]["schedule"], "q").await;
    server.act(id, "r2", read(high - 0.05)).await;
    let note = "Bush goes on with graphite; keep the second stud to the same.";
    server.act(id, "n", serde_json::json!({"kind": "note", "text": note})).await;
    browser.go(&server.at("/jobs/mill-bearing-stud/log")).await;
    browser.wait_text(".story", "graphite").await;
    browser.picture(&out.join("log.png")).await;
    browser.close().await;
}
