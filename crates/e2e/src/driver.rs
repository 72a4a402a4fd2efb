//! Chromium and its driver, started and ended.

use crate::{Kept, yielding};
use std::io::{BufRead, BufReader};
use std::os::unix::process::CommandExt;
use std::path::Path;
use std::process::Stdio;
use tempfile::TempDir;
use thirtyfour::prelude::*;

const FLAGS: [&str; 8] = [
    "--headless=new",
    "--no-sandbox",
    "--disable-gpu",
    "--disable-dev-shm-usage",
    "--no-first-run",
    "--disable-background-networking",
    "--disable-component-update",
    "--disable-sync",
];

/// A driver with the one browser it drives; both end with it.
pub struct Driver {
    _process: Kept,
    _profile: TempDir,
}

/// Starts a driver, and says the port it took; nothing when it found none.
fn start_driver(command: &str) -> Option<(Kept, u16)> {
    // In a group of its own, with a shell that ends the whole group once this end of its input is gone: however the tests
    // end, no driver and no Chromium outlives them.
    let mut child = yielding("sh")
        .args(["-c", &format!("{command} & read -r _; kill -KILL 0")])
        .process_group(0)
        .stdin(Stdio::piped())
        .stdout(Stdio::piped())
        .stderr(Stdio::null())
        .spawn()
        .expect("there is a shell");
    let mut lines = BufReader::new(child.stdout.take().expect("piped")).lines();
    let driver = Kept(child);
    let said = |l: String| l.split("successfully on port ").nth(1)?.trim().trim_end_matches('.').parse().ok();
    let port = lines.by_ref().map_while(Result::ok).find_map(said)?;
    // The pipe is drained so that the driver never waits on it.
    std::thread::spawn(move || lines.for_each(drop));
    Some((driver, port))
}

impl Driver {
    pub async fn start() -> (Self, WebDriver) {
        // A port picked by the system may be taken by the other address family meanwhile: ChromeDriver then gives up, and another is started.
        let (process, port) = (0..5).find_map(|_| start_driver("chromedriver --port=0")).expect("ChromeDriver says its port");
        // The shop's own authority is none the system knows; that a browser which trusts it takes its certificates, the shop floor tries.
        Self::drives(process, &format!("http://127.0.0.1:{port}"), &["--ignore-certificate-errors"]).await
    }

    /// In a network namespace, answering at `address` there to `from`; the browser trusts what the store of its `home` does, and nothing else.
    pub async fn in_namespace(namespace: &str, [address, from]: [&str; 2], home: &Path) -> (Self, WebDriver) {
        let run = format!("ip netns exec {namespace} env HOME={} chromedriver --port=9515 --allowed-ips={from} --allowed-origins=*", home.display());
        let (process, port) = start_driver(&run).expect("ChromeDriver says its port");
        Self::drives(process, &format!("http://{address}:{port}"), &[]).await
    }

    async fn drives(process: Kept, at: &str, more: &[&str]) -> (Self, WebDriver) {
        let profile = tempfile::tempdir().unwrap();
        let mut wants = DesiredCapabilities::chrome();
        for flag in FLAGS.iter().chain(more) {
            wants.add_arg(flag).unwrap();
        }
        wants.add_arg(&format!("--user-data-dir={}", profile.path().display())).unwrap();
        let page = WebDriver::new(at, wants).await.expect("Chromium starts");
        (Self { _process: process, _profile: profile }, page)
    }
}
