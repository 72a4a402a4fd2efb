//! Takes a picture of each main view, from the demo yard, into docs/screenshots; or of those whose name holds the word given.
#![allow(clippy::unwrap_used)] // a tool of the workshop: it stops where it fails
#![allow(clippy::too_many_lines)] // one picture after another

use serde_json::{Value, json};
use std::path::Path;
use yoke_e2e::{Browser, DESK, Server, StandIn};

/// Name, path, what shows that it is ready, page size, dark.
type View = (&'static str, &'static str, &'static str, (u32, u32), bool);

const VIEWS: [View; 10] = [
    ("board", "/", ".jobs li", DESK, false),
    ("thread", "/jobs/paddle-screw-and-nut/thread", ".carry", DESK, false),
    ("blank", "/jobs/footbridge-tie-rod/blank", ".carry", DESK, false),
    ("gears", "/jobs/footbridge-tie-rod/gears", ".carry", DESK, false),
    ("cut", "/jobs/footbridge-tie-rod/cut", ".carry", DESK, false),
    ("gauge", "/jobs/footbridge-tie-rod/gauge", ".carry", DESK, false),
    ("at-the-lathe", "/jobs/footbridge-tie-rod/at-the-lathe", ".setting", DESK, false),
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
    let wanted = std::env::args().nth(1).unwrap_or_default();
    let wants = |name: &str| name.contains(&wanted);
    for (name, path, ready, size, dark) in VIEWS.into_iter().filter(|view| wants(view.0)) {
        browser.size(size).await;
        browser.look(dark).await;
        browser.go(&server.at(path)).await;
        browser.find(ready).await;
        // Fonts settle after the first paint.
        tokio::time::sleep(std::time::Duration::from_millis(400)).await;
        browser.picture(&out.join(format!("{name}.png"))).await;
        println!("{name}.png");
    }
    browser.size(DESK).await;
    browser.look(false).await;
    // A shop as its owner first finds it, and the first callout typed.
    if wants("empty-shop") {
        let folder = tempfile::tempdir().unwrap();
        let empty = Server::empty(folder.path());
        browser.go(&empty.at("/")).await;
        browser.find(".type-and-go input").await.send_keys("M20").await.unwrap();
        browser.wait_text(".card", "From touch").await;
        browser.picture(&out.join("empty-shop.png")).await;
        println!("empty-shop.png");
    }
    // A stop at the mark, as it came out.
    if wants("rehearse") {
        browser.motion(true).await;
        browser.go(&server.at("/jobs/footbridge-tie-rod/rehearse")).await;
        browser.find(".stage").await;
        browser.keys([" "]).await;
        browser.wait_text(".rehearse-says", "Now:").await;
        browser.find(".came").await;
        browser.picture(&out.join("rehearse.png")).await;
    }
    // The mill's bearing stud with a readout on its lathe, the dial a little before its setting.
    if wants("live") {
        live(&server, &browser).await;
        browser.picture(&out.join("live.png")).await;
        println!("live.png");
    }
    // A trouble, with its causes as this job's numbers rank them.
    if wants("trouble") {
        browser.go(&server.at("/jobs/mill-bearing-stud/gauge")).await;
        browser.click_text(".actions .act", "Trouble").await;
        browser.click_text(".symptoms .choice", "wrong pitch").await;
        browser.find(".causes .cause.shown").await;
        browser.picture(&out.join("trouble.png")).await;
    }
    // The mill's bearing stud drawn whole, with what stands behind its thread.
    if wants("part") {
        let plain = json!([
            {"name": "journal", "nominal_mm": 28, "over_mm": -0.02, "under_mm": -0.053, "long_mm": 42},
            {"name": "spanner hexagon", "kind": "hexagon", "nominal_mm": 32, "long_mm": 12},
            {"name": "tail", "nominal_mm": 25, "long_mm": 140}
        ]);
        server.tell("mill-bearing-stud", json!({"blank": {"shoulder": true, "plain": plain}})).await;
        browser.go(&server.at("/jobs/mill-bearing-stud/part")).await;
        browser.wait_text(".part-sentence", "spanner hexagon").await;
        browser.picture(&out.join("part.png")).await;
    }
    // The tie rod cut on, read, cut again and read: its story, and its card.
    if wants("log") || wants("paper") {
        let id = "footbridge-tie-rod";
        let rod = server.job(id).await;
        server.cut(id, &rod["run"]["schedule"], "p").await;
        let high = rod["plan"]["run"]["limits_mm"][1].as_f64().unwrap();
        let read = |mm: f64| json!({"kind": "measured", "pitch_diameter_mm": mm, "instrument": "0-25"});
        let first = server.act(id, "r1", read(high + 0.08)).await;
        server.cut(id, &first["run"]["schedule"], "q").await;
        server.act(id, "r2", read(high - 0.05)).await;
        server.act(id, "n", json!({"kind": "note", "text": "The deck nut goes on with graphite; keep the second rod to the same."})).await;
        browser.go(&server.at(&format!("/jobs/{id}/log"))).await;
        browser.wait_text(".story", "graphite").await;
        browser.picture(&out.join("log.png")).await;
        browser.go(&server.at(&format!("/jobs/{id}/paper"))).await;
        browser.click_text(".sheet-choice .choice", "Job card").await;
        browser.find(".paper-passes").await;
        browser.picture(&out.join("paper.png")).await;
    }
    // The pair's route; and the batch, four ends cut, the third spoilt.
    if wants("route") || wants("batch") {
        browser.go(&server.at("/jobs/paddle-screw-and-nut/route")).await;
        browser.click_text(".op", "Thread").await;
        for n in 1..=3 {
            browser.touch(&format!(".chucking:nth-of-type(1) li:nth-child({n}) .tick")).await;
        }
        browser.find(".chucking:nth-of-type(1) li:nth-child(3) .done-op").await;
        browser.picture(&out.join("route.png")).await;
        batch(&server).await;
        browser.go(&server.at("/jobs/turnbuckle-ends--six/batch")).await;
        browser.wait_text(".tally", "dug in").await;
        browser.picture(&out.join("batch.png")).await;
    }
    browser.close().await;
}

/// A readout that stands in on the Gap bed, its zero told, and the compound wound toward the next setting.
async fn live(server: &Server, browser: &Browser) {
    let axes = "cross:diameter,-carriage,compound";
    let mut readout = StandIn::start(&["readout", "--axes", axes, "--line", "X{0} Z{1} Y{2}", "--carriage", "60"]);
    let told = json!({"readout": readout.as_readout(&[("cross_slide", "X", true), ("carriage", "Z", false), ("compound", "Y", false)])});
    server.fit("gap-bed", told).await;
    readout.tell("cross -1 at 10\ncompound -0.5 at 5\nwait 0.4\ncross 0 at 10\ncompound 0 at 5\nwait 0.6\nzero cross\nzero compound");
    browser.stand(&server.at("/jobs/mill-bearing-stud/at-the-lathe")).await;
    browser.find(".live[data-link=heard] .live-key").await;
    tokio::time::sleep(std::time::Duration::from_millis(1600)).await;
    browser.click_text(".live-key", "Point at the crest").await;
    browser.click_text(".live-key", "end face").await;
    browser.find(".live .switch input").await;
    readout.tell("compound 0.03 at 5");
    browser.wait_text(".live-to-go", "to go").await;
    tokio::time::sleep(std::time::Duration::from_millis(600)).await;
}

/// Four of the six turnbuckle ends cut and read, the third of them spoilt.
async fn batch(server: &Server) {
    let path = server.at("/api/v1/jobs/turnbuckle-ends--six/batch");
    let facts = json!({"learn": true, "plain": [{"name": "Shank", "nominal_mm": 16.0, "over_mm": 0.0, "under_mm": -0.11}]});
    reqwest::Client::new().put(&path).header("If-Match", "1").json(&facts).send().await.unwrap();
    let now: Value = reqwest::get(&path).await.unwrap().json().await.unwrap();
    let jobs = now["tally"]["rows"].as_array().unwrap().iter().map(|r| r["job"].as_str().unwrap());
    for (job, [off, shank]) in jobs.zip([[0.0, 15.902], [0.01, 15.921], [-0.012, 15.944], [0.006, 15.958]]) {
        let plan = server.job(job).await["plan"].clone();
        server.cut(job, &plan["run"]["passes"], "p").await;
        server.act(job, "s", json!({"kind": "sized", "name": "Shank", "mm": shank})).await;
        server.act(job, "m", json!({"kind": "measured", "pitch_diameter_mm": plan["run"]["target_mm"].as_f64().unwrap() + off})).await;
        if off == -0.012 {
            server.act(job, "x", json!({"kind": "scrapped", "why": "the bit dug in at the relief"})).await;
        }
    }
}
