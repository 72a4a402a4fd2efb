//! The power goes at three hundred random instants of a run (thirty in the everyday check), two clients writing everything that can be written: nothing acknowledged is lost, and the file stays sound.

use crate::common::{Server, proving};
use reqwest::Method;
use serde_json::{Value, json};
use std::collections::BTreeSet;
use std::sync::atomic::{AtomicBool, Ordering};
use std::time::Duration;

/// Shops that run beside each other, and the cuts of each when everything is proven.
const SHOPS: u64 = 3;
const CUTS: u64 = 100;

/// Everything else that can be written, by a second client beside the first: what of it was acknowledged.
#[derive(Default)]
struct Beside {
    jobs: BTreeSet<String>,
    photos: BTreeSet<String>,
    ticked: BTreeSet<String>,
    /// The last title, wire and speed told and answered.
    title: u32,
    wire: u32,
    speed: u32,
}

impl Beside {
    /// Writes one thing after another until the power goes.
    async fn write(&mut self, server: &Server, from: u32) {
        let at = |path: String| format!("{}/api/v1{path}", server.address);
        let client = &server.client;
        let revision = |path: String| async { client.get(at(path)).send().await.ok()?.json::<Value>().await.ok()?["revision"].as_i64().map(|r| r.to_string()) };
        let told = |answer: Result<reqwest::Response, reqwest::Error>| answer.is_ok_and(|r| r.status().is_success());
        for n in from.. {
            match n % 6 {
                0 => {
                    let id = format!("job-{n}");
                    if told(client.post(at("/jobs".into())).json(&json!({"callout": "M8", "lathe_id": "bench", "id": id})).send().await) {
                        self.jobs.insert(id);
                    }
                }
                1 => {
                    if let Some(r) = revision("/jobs/gauge-board-cap".into()).await
                        && told(client.patch(at("/jobs/gauge-board-cap".into())).header("If-Match", r).json(&json!({"title": format!("Cap {n}")})).send().await)
                    {
                        self.title = n;
                    }
                }
                2 => {
                    if told(client.put(at("/kit".into())).json(&json!({"wires_mm": [f64::from(n) / 10_000.0 + 0.1]})).send().await) {
                        self.wire = n;
                    }
                }
                3 => {
                    if let Some(r) = revision("/lathes/gap-bed/view".into()).await
                        && told(client.patch(at("/lathes/gap-bed".into())).header("If-Match", r).json(&json!({"speeds_rpm": [100 + n]})).send().await)
                    {
                        self.speed = n;
                    }
                }
                4 => {
                    // Few enough for one job: the same again is answered as before.
                    let photo = format!("p{}", n / 6 % 20);
                    let body = [b"\x89PNG\r\n\x1a\n ", photo.as_bytes()].concat();
                    if told(client.put(at(format!("/jobs/gauge-board-cap/photos/{photo}"))).body(body).send().await) {
                        self.photos.insert(photo);
                    }
                }
                _ => {
                    let route = async { client.get(at("/jobs/hydrant-union/route".into())).send().await.ok()?.json::<Value>().await.ok() };
                    let ops: Vec<String> = route
                        .await
                        .iter()
                        .flat_map(|r| r["route"]["setups"].as_array().into_iter().flatten().cloned().collect::<Vec<_>>())
                        .flat_map(|s| s["ops"].as_array().cloned().unwrap_or_default())
                        .filter_map(|o| o["id"].as_str().map(str::to_owned))
                        .collect();
                    if let Some(op) = ops.get(n as usize / 6 % ops.len().max(1))
                        && told(client.put(at(format!("/jobs/hydrant-union/route/ops/{op}"))).json(&json!({"done": true})).send().await)
                    {
                        self.ticked.insert(op.clone());
                    }
                }
            }
        }
    }

    /// Holds what is kept against what was acknowledged; a change sent and not answered may have come in, too.
    async fn hold(&self, server: &Server, shop: &Value) {
        let jobs = shop["jobs"].as_array().unwrap();
        let job = |id: &str| jobs.iter().find(|j| j["id"] == id).unwrap_or_else(|| panic!("{id} is lost"));
        for id in &self.jobs {
            job(id);
        }
        let has = |list: &Value, field: &str, id: &str| list.as_array().into_iter().flatten().any(|one| one[field] == id);
        for op in &self.ticked {
            assert!(has(&job("hydrant-union")["ticks"], "op", op), "the tick of {op}");
        }
        let (_, log) = server.get("/api/v1/jobs/gauge-board-cap/log").await;
        for photo in &self.photos {
            assert!(has(&log["photos"], "id", photo), "the photograph {photo}");
        }
        let number = |text: &str| text.rsplit(' ').next().and_then(|n| n.parse::<u32>().ok()).unwrap_or(0);
        assert!(number(job("gauge-board-cap")["title"].as_str().unwrap()) >= self.title);
        let wire = shop["kit"]["wires_mm"][0].as_f64().unwrap_or(0.0);
        assert!(self.wire == 0 || wire >= f64::from(self.wire) / 10_000.0 + 0.09999, "{wire} and {}", self.wire);
        let lathe = shop["lathes"].as_array().unwrap().iter().find(|l| l["id"] == "gap-bed").unwrap();
        assert!(self.speed == 0 || lathe["body"]["speeds_rpm"][0].as_u64().unwrap() >= u64::from(100 + self.speed));
    }
}

/// One shop, cut off again and again: acts acknowledged, and sent.
async fn shop(seed: u64, cuts: u64) -> (usize, u32) {
    let folder = tempfile::tempdir().unwrap();
    let mut acknowledged: BTreeSet<String> = BTreeSet::new();
    let mut state = seed;
    let mut sent = 0_u32;
    let mut beside = Beside::default();
    for cut in 0..cuts {
        let server = Server::start(folder.path(), &["--demo"]);
        state = state.wrapping_mul(6_364_136_223_846_793_005).wrapping_add(1_442_695_040_888_963_407);
        let lives = Duration::from_micros(1_000 + (state >> 40) % 240_000);
        let heard = AtomicBool::new(false);
        // Acts one after another until the power goes; what was answered is written down.
        let run = async {
            loop {
                sent += 1;
                let id = format!("a{sent}");
                let act =
                    if sent.is_multiple_of(5) { json!({"kind": "note", "text": id}) } else { json!({"kind": "pass_done", "n": sent % 20, "radial_mm": 0.01}) };
                let put = server.client.put(format!("{}/api/v1/jobs/mill-bearing-stud/acts/{id}", server.address)).json(&json!({ "act": act })).send().await;
                if put.is_ok_and(|r| r.status().is_success()) {
                    acknowledged.insert(id);
                    heard.store(true, Ordering::Relaxed);
                }
            }
        };
        let first = u32::try_from(cut).unwrap() * 61;
        let mut writing = Box::pin(async { tokio::join!(run, beside.write(&server, first)) });
        // Every other life begins to count only once something was acknowledged, so that a busy machine is tried as hard as an idle one.
        if cut % 2 == 0 {
            let answered = async {
                while !heard.load(Ordering::Relaxed) {
                    tokio::time::sleep(Duration::from_millis(1)).await;
                }
            };
            tokio::select! { _ = &mut writing => (), () = answered => () }
        }
        let _ = tokio::time::timeout(lives, writing).await;
        server.kill();
        if cut % 10 == 9 {
            let server = Server::start(folder.path(), &["--demo"]);
            let (_, log) = server.get("/api/v1/shop.json").await;
            beside.hold(&server, &log).await;
            let job = log["jobs"].as_array().unwrap().iter().find(|j| j["id"] == "mill-bearing-stud").unwrap();
            let kept: BTreeSet<String> = job["acts"].as_array().unwrap().iter().map(|a| a["id"].as_str().unwrap().to_owned()).collect();
            assert!(acknowledged.is_subset(&kept), "after {} cuts: {:?}", cut + 1, acknowledged.difference(&kept).collect::<Vec<_>>());
            // The same act sent again is answered as it was.
            if let Some(one) = acknowledged.iter().next() {
                let first: Value = job["acts"].as_array().unwrap().iter().find(|a| a["id"] == **one).unwrap()["act"].clone();
                let (status, _) = server.send(Method::PUT, &format!("/api/v1/jobs/mill-bearing-stud/acts/{one}"), json!({ "act": first }), &[]).await;
                assert!(status.is_success());
            }
        }
    }
    assert!(yoke_store::Store::open(&folder.path().join("yoke-turn.db")).unwrap().sound().unwrap());
    println!("beside them {} jobs, {} photographs, {} ticks", beside.jobs.len(), beside.photos.len(), beside.ticked.len());
    (acknowledged.len() + beside.jobs.len() + beside.photos.len() + beside.ticked.len(), sent)
}

#[tokio::test(flavor = "multi_thread", worker_threads = 3)]
async fn three_hundred_power_cuts_lose_nothing_that_was_acknowledged() {
    let cuts = if proving() { CUTS } else { CUTS / 10 };
    let shops: Vec<_> = (0..SHOPS).map(|n| tokio::spawn(shop(20_261_125 + n, cuts))).collect();
    let (mut acknowledged, mut sent) = (0, 0);
    for shop in shops {
        let (of_shop, of_sent) = shop.await.unwrap();
        acknowledged += of_shop;
        sent += of_sent;
    }
    println!("{acknowledged} writes acknowledged over {} cuts, {sent} acts sent", SHOPS * cuts);
    assert!(acknowledged as u64 >= SHOPS * cuts / 2, "{acknowledged}");
}
