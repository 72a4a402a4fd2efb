//! The power goes at three hundred random instants of a run (thirty in the everyday check): nothing acknowledged is lost, and the file stays sound.

use crate::common::Server;
use reqwest::Method;
use serde_json::{Value, json};
use std::collections::BTreeSet;
use std::time::Duration;

/// Shops that run beside each other, and the cuts of each when everything is proven.
const SHOPS: u64 = 3;
const CUTS: u64 = 100;

/// One shop, cut off again and again: acts acknowledged, and sent.
async fn shop(seed: u64, cuts: u64) -> (usize, u32) {
    let folder = tempfile::tempdir().unwrap();
    let mut acknowledged: BTreeSet<String> = BTreeSet::new();
    let mut state = seed;
    let mut sent = 0_u32;
    for cut in 0..cuts {
        let server = Server::start(folder.path(), &["--demo"]);
        state = state.wrapping_mul(6_364_136_223_846_793_005).wrapping_add(1_442_695_040_888_963_407);
        let lives = Duration::from_micros(1_000 + (state >> 40) % 160_000);
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
                }
            }
        };
        let _ = tokio::time::timeout(lives, run).await;
        server.kill();
        if cut % 10 == 9 {
            let server = Server::start(folder.path(), &["--demo"]);
            let (_, log) = server.get("/api/v1/shop.json").await;
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
    (acknowledged.len(), sent)
}

#[tokio::test(flavor = "multi_thread", worker_threads = 3)]
async fn three_hundred_power_cuts_lose_nothing_that_was_acknowledged() {
    let cuts = if std::env::var_os("YOKE_PROVE").is_some() { CUTS } else { CUTS / 10 };
    let shops: Vec<_> = (0..SHOPS).map(|n| tokio::spawn(shop(20_261_125 + n, cuts))).collect();
    let (mut acknowledged, mut sent) = (0, 0);
    for shop in shops {
        let (of_shop, of_sent) = shop.await.unwrap();
        acknowledged += of_shop;
        sent += of_sent;
    }
    println!("{acknowledged} acts acknowledged over {} cuts, of {sent} sent", SHOPS * cuts);
    assert!(acknowledged as u64 > SHOPS * cuts, "{acknowledged}");
}
