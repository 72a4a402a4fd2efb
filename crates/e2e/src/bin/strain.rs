//! The server under strain, as ratios in one run: acts alone and under two charts of a very large drawer, the board of a thousand jobs, a plan
//! over the loopback, and what it holds in memory.
#![allow(clippy::unwrap_used)] // a tool of the workshop: it stops where it fails
#![allow(clippy::too_many_lines)] // one strain after another

use serde_json::{Value, json};
use std::time::{Duration, Instant};
use yoke_e2e::Server;

/// Acts timed, each way.
const ACTS: usize = 400;
/// Jobs on the board.
const JOBS: usize = 1000;
/// Pages that listen at once.
const STREAMS: usize = 1000;

/// The value below which this share of the times lies, ms.
fn share(times: &mut [f64], of: f64) -> f64 {
    times.sort_by(f64::total_cmp);
    #[allow(clippy::cast_possible_truncation, clippy::cast_sign_loss, clippy::cast_precision_loss)] // a place among some hundreds
    let at = (times.len() as f64 * of) as usize;
    times[at.min(times.len() - 1)]
}

/// What a process holds in memory, MB.
fn resident(process: u32) -> f64 {
    let status = std::fs::read_to_string(format!("/proc/{process}/status")).unwrap_or_default();
    let line = status.lines().find(|l| l.starts_with("VmRSS:")).unwrap_or_default();
    line.split_whitespace().nth(1).and_then(|kb| kb.parse::<f64>().ok()).unwrap_or(0.0) / 1024.0
}

async fn acts(server: &Server, client: &reqwest::Client, run: &str) -> Vec<f64> {
    // A job of its own: an act is judged by all before it, so both runs begin with none.
    let new = json!({"callout": "7/8-9 UNC", "lathe_id": "gap-bed", "id": run});
    client.post(server.at("/api/v1/jobs")).json(&new).send().await.unwrap().error_for_status().unwrap();
    let mut times = Vec::new();
    for i in 0..ACTS {
        let begun = Instant::now();
        let act = json!({"act": {"kind": "pass_done", "n": i % 9, "radial_mm": 0.01}});
        let path = server.at(&format!("/api/v1/jobs/{run}/acts/{run}-{i}"));
        client.put(path).json(&act).send().await.unwrap().error_for_status().unwrap();
        times.push(begun.elapsed().as_secs_f64() * 1000.0);
    }
    times
}

#[tokio::main]
async fn main() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let client = reqwest::Client::new();
    let process = server.process();
    tokio::time::sleep(Duration::from_secs(1)).await;
    println!("idle: {:.1} MB resident", resident(process));

    // The same asked again, as a page does, and each of its own.
    for (how, step) in [("asked again", 0.0), ("each its own", 0.1)] {
        let mut over = Vec::new();
        for i in 0..100 {
            let request = json!({"thread": {"callout": "M20x2.5-6g", "length_mm": 40.0 + step * f64::from(i)}});
            let begun = Instant::now();
            client.post(server.at("/api/v1/plan")).json(&request).send().await.unwrap().bytes().await.unwrap();
            over.push(begun.elapsed().as_secs_f64() * 1000.0);
        }
        println!("plan over the loopback, {how}: {:.2} ms in the middle (the core's own time: cargo bench -p yoke-trials)", share(&mut over, 0.5));
    }

    // A drawer of 120 gears and 64 lever positions.
    let gears: Vec<usize> = (0..120).map(|i| 20 + i).collect();
    let levers: Vec<Value> = (0..64).map(|i| json!({"name": format!("L{i}"), "ratio": format!("{}/64", i + 1)})).collect();
    for name in ["huge", "vast"] {
        let lathe = json!({"name": name, "leadscrew": {"tpi": 4}, "gears": gears, "gearbox": levers, "max_compounds": if name == "huge" { 1 } else { 2 }});
        client.put(server.at(&format!("/api/v1/lathes/{name}"))).json(&lathe).send().await.unwrap().error_for_status().unwrap();
    }
    let mut alone = acts(&server, &client, "alone").await;
    let charts: Vec<_> = ["huge", "vast"]
        .map(|name| {
            let (client, path) = (client.clone(), server.at(&format!("/api/v1/lathes/{name}/chart")));
            tokio::spawn(async move {
                let begun = Instant::now();
                let _ = client.get(path).timeout(Duration::from_secs(120)).send().await;
                begun.elapsed()
            })
        })
        .into();
    tokio::time::sleep(Duration::from_millis(200)).await;
    let mut under = acts(&server, &client, "under").await;
    let running = charts.iter().filter(|c| !c.is_finished()).count();
    let (a, u) = (share(&mut alone, 0.99), share(&mut under, 0.99));
    println!("act, 99 of 100: {a:.1} ms alone, {u:.1} ms under two charts ({running} still being made at the end): {:.1} times", u / a);
    charts.iter().for_each(tokio::task::JoinHandle::abort);

    for i in 0..JOBS {
        let callout = ["M20", "M12x1.5", "7/8-9 UNC", "G1-1/4"][i % 4];
        let new = json!({"callout": callout, "lathe_id": "long-bed"});
        client.post(server.at("/api/v1/jobs")).json(&new).send().await.unwrap().error_for_status().unwrap();
    }
    let begun = Instant::now();
    client.get(server.at("/api/v1/jobs")).send().await.unwrap().bytes().await.unwrap();
    println!("board of {JOBS} jobs: {:.0} ms the first time", begun.elapsed().as_secs_f64() * 1000.0);
    let mut board = Vec::new();
    for _ in 0..20 {
        let begun = Instant::now();
        client.get(server.at("/api/v1/jobs")).send().await.unwrap().bytes().await.unwrap();
        board.push(begun.elapsed().as_secs_f64() * 1000.0);
    }
    println!("board of {JOBS} jobs: {:.0} ms in the middle, {:.1} MB resident", share(&mut board, 0.5), resident(process));

    let before = resident(process);
    let mut streams = Vec::new();
    for _ in 0..STREAMS {
        streams.push(client.get(server.at("/api/v1/events")).send().await.unwrap());
    }
    tokio::time::sleep(Duration::from_secs(1)).await;
    println!("{} pages listening: {:.1} MB more, {:.1} MB in all", streams.len(), resident(process) - before, resident(process));
}
