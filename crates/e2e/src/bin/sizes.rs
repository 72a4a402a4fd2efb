//! Reports what the README states: starts, memory, plan size, bundle size.
#![allow(clippy::unwrap_used)] // a tool of the workshop: it stops where it fails

use std::io::{BufRead, BufReader};
use std::process::{Child, Command, Stdio};
use std::time::{Duration, Instant};

/// Starts it; the server, and where it answers.
fn start(folder: &std::path::Path, more: &[&str]) -> (Child, String) {
    let mut child = Command::new(yoke_e2e::program("yoke-turn"))
        .args(["serve", "--demo", "--port", "0", "--data"])
        .arg(folder)
        .args(more)
        .stdout(Stdio::piped())
        .stderr(Stdio::null())
        .spawn()
        .unwrap();
    let mut line = String::new();
    BufReader::new(child.stdout.as_mut().unwrap()).read_line(&mut line).unwrap();
    let address = line.trim().trim_start_matches("Yoke Turn is at ").to_owned();
    (child, address)
}

#[tokio::main(flavor = "current_thread")]
async fn main() {
    let root = concat!(env!("CARGO_MANIFEST_DIR"), "/../..");
    let folder = tempfile::tempdir().unwrap();
    let client = reqwest::Client::new();
    let begun = Instant::now();
    let (mut child, address) = start(folder.path(), &[]);
    let answer = client.post(format!("{address}api/v1/plan")).json(&serde_json::json!({"thread": {"callout": "M20x2.5-6g"}})).send().await.unwrap();
    println!("cold start, demo yard laid out, to first plan answered: {} ms", begun.elapsed().as_millis());
    println!("default plan: {} bytes", answer.bytes().await.unwrap().len());
    child.kill().unwrap();
    child.wait().unwrap();
    let begun = Instant::now();
    let (mut child, address) = start(folder.path(), &["--shop", "--shop-port", "0", "--trust-port", "0", "--no-announce"]);
    client.get(&address).send().await.unwrap();
    println!("start to first page: {} ms", begun.elapsed().as_millis());
    tokio::time::sleep(Duration::from_secs(5)).await;
    let status = std::fs::read_to_string(format!("/proc/{}/status", child.id())).unwrap_or_default();
    println!("idle with the door open: {}", status.lines().find(|l| l.starts_with("VmRSS")).unwrap_or("not told by this system"));
    child.kill().unwrap();
    child.wait().unwrap();
    for entry in std::fs::read_dir(format!("{root}/web/dist/assets")).unwrap() {
        let path = entry.unwrap().path();
        if path.extension().is_some_and(|e| e == "js" || e == "css") {
            let zipped = Command::new("gzip").args(["-9", "-c"]).arg(&path).output().unwrap().stdout.len();
            println!("{}: {} bytes gzipped", path.file_name().unwrap().to_string_lossy(), zipped);
        }
    }
}
