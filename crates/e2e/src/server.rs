//! The server under test, on a database of its own.

use crate::{Kept, PATIENCE, program, yielding};
use serde_json::{Value, json};
use std::io::{BufRead, BufReader};
use std::path::{Path, PathBuf};
use std::process::{Command, Stdio};
use std::sync::{Mutex, OnceLock};
use std::time::{Duration, Instant};

/// Lays the demo yard out in a folder that has no shop yet, as a first start does: it is done once and copied, since every plan of it is
/// reckoned for it.
fn lay_out(folder: &Path) {
    static YARD: OnceLock<tempfile::TempDir> = OnceLock::new();
    let yard = YARD.get_or_init(|| {
        let yard = tempfile::tempdir().expect("a folder");
        Server::on(yard.path(), vec!["--demo".into()]).stop();
        yard
    });
    if folder.join("yoke-turn.db").exists() {
        return;
    }
    for file in std::fs::read_dir(yard.path()).expect("it was laid out").flatten().filter(|f| f.path().is_file()) {
        std::fs::copy(file.path(), folder.join(file.file_name())).expect("it is copied");
    }
}

/// Starts a server; the port it has, nothing where it does not come to answer.
fn started(folder: &Path, port: u16, more: &[String]) -> Option<(Kept, u16)> {
    let mut server = yielding(program("yoke-turn"));
    server.args(["serve", "--port", &port.to_string(), "--data"]).arg(folder).args(more).stdout(Stdio::piped()).stderr(Stdio::null());
    let mut child = Kept(server.spawn().expect("the server starts"));
    let mut line = String::new();
    BufReader::new(child.0.stdout.as_mut().expect("piped")).read_line(&mut line).ok()?;
    let port = line.trim().trim_end_matches('/').rsplit(':').next().and_then(|p| p.parse().ok())?;
    Some((child, port))
}

/// Ports journeys are done with, for the next: a browser keeps what it read of an address, and reads it only once.
static PORTS: Mutex<Vec<u16>> = Mutex::new(Vec::new());

/// The server under test.
pub struct Server {
    child: Kept,
    folder: PathBuf,
    more: Vec<String>,
    /// Port it answers on; kept over a restart.
    pub port: u16,
}

impl Drop for Server {
    fn drop(&mut self) {
        let _ = self.child.0.kill();
        let _ = self.child.0.wait();
        PORTS.lock().unwrap().push(self.port);
    }
}

impl Server {
    /// Starts the demo yard on a database in `folder`.
    #[must_use]
    pub fn start(folder: &Path) -> Self {
        Self::demo(folder, Vec::new())
    }

    /// Starts a shop that is empty, as its owner first finds it.
    #[must_use]
    pub fn empty(folder: &Path) -> Self {
        Self::on(folder, Vec::new())
    }

    /// The demo yard whose door to the shop's network may be opened, on ports of its own, which it keeps over a restart.
    ///
    /// # Panics
    /// When this machine has no port left.
    #[must_use]
    pub fn with_door(folder: &Path) -> Self {
        let free = || std::net::TcpListener::bind("127.0.0.1:0").and_then(|l| l.local_addr()).expect("a free port").port().to_string();
        let words = ["--no-announce", "--shop-port", &free(), "--trust-port", &free()].map(str::to_owned);
        Self::demo(folder, words.to_vec())
    }

    fn demo(folder: &Path, more: Vec<String>) -> Self {
        lay_out(folder);
        Self::on(folder, [vec!["--demo".into()], more].concat())
    }

    fn on(folder: &Path, more: Vec<String>) -> Self {
        let left = PORTS.lock().unwrap().pop();
        // Somebody else may have it by now: then any.
        let (child, port) = left.and_then(|port| started(folder, port, &more)).or_else(|| started(folder, 0, &more)).expect("it says its address");
        Self { child, folder: folder.to_owned(), more, port }
    }

    /// The address of `path`.
    #[must_use]
    pub fn at(&self, path: &str) -> String {
        format!("http://127.0.0.1:{}{path}", self.port)
    }

    /// The number of its process.
    #[must_use]
    pub fn process(&self) -> u32 {
        self.child.0.id()
    }

    /// Kills it with SIGKILL, as when the power goes.
    pub fn kill(&mut self) {
        self.child.0.kill().expect("it can be killed");
        self.child.0.wait().expect("it ends");
    }

    /// Asks it to end, as whoever closes the shop does, and waits for that.
    pub fn stop(&mut self) {
        Command::new("kill").arg(self.process().to_string()).status().expect("it can be asked");
        self.child.0.wait().expect("it ends");
    }

    /// Starts it again on the same database and port.
    pub fn restart(&mut self) {
        (self.child, _) = started(&self.folder, self.port, &self.more).expect("its port is its own");
    }

    /// Changes a job's facts, as another screen would; the job as it then is.
    ///
    /// # Panics
    /// When the change is refused.
    pub async fn tell(&self, id: &str, request: Value) -> Value {
        let revision = self.job(id).await["revision"].to_string();
        let change = reqwest::Client::new().patch(self.at(&format!("/api/v1/jobs/{id}"))).header("If-Match", revision).json(&json!({ "request": request }));
        let answer = change.send().await.unwrap();
        assert!(answer.status().is_success(), "{}", answer.text().await.unwrap());
        self.job(id).await
    }

    /// Tells the instruments of a lathe that has none yet.
    ///
    /// # Panics
    /// When they are refused.
    pub async fn fit(&self, lathe: &str, instruments: Value) {
        let put = reqwest::Client::new().put(self.at(&format!("/api/v1/lathes/{lathe}/instruments"))).header("If-Match", "0").json(&instruments);
        let answer = put.send().await.unwrap();
        assert!(answer.status().is_success(), "{}", answer.text().await.unwrap());
    }

    /// Tells an act of a job, as another screen would; the job as it then is.
    ///
    /// # Panics
    /// When the act is refused.
    pub async fn act(&self, id: &str, act_id: &str, act: Value) -> Value {
        let put = reqwest::Client::new().put(self.at(&format!("/api/v1/jobs/{id}/acts/{act_id}"))).json(&json!({ "act": act }));
        let answer = put.send().await.unwrap();
        assert!(answer.status().is_success(), "{}", answer.text().await.unwrap());
        answer.json().await.unwrap()
    }

    /// Marks passes of a plan, or of a schedule, as cut, as another screen would; their acts are named after `of` and the pass.
    pub async fn cut(&self, id: &str, passes: &Value, of: &str) {
        for step in passes.as_array().unwrap() {
            let pass = if step["pass"].is_object() { &step["pass"] } else { step };
            let act = json!({"kind": "pass_done", "n": pass["n"], "radial_mm": pass["radial_mm"]});
            self.act(id, &format!("{of}{}", pass["n"]), act).await;
        }
    }

    /// Waits until the server itself has `wanted` at `pointer` of a job; the page shows an act before it is acknowledged.
    ///
    /// # Panics
    /// When that never comes.
    pub async fn comes_to(&self, id: &str, pointer: &str, wanted: impl Into<Value>) {
        let (wanted, until) = (wanted.into(), Instant::now() + PATIENCE);
        let mut again = Duration::from_millis(40);
        loop {
            let job = self.job(id).await;
            if job.pointer(pointer) == Some(&wanted) {
                return;
            }
            assert!(Instant::now() < until, "{id} never came to {wanted} at {pointer}; it has {:?}", job.pointer(pointer));
            tokio::time::sleep(again).await;
            again = (again * 2).min(Duration::from_millis(320));
        }
    }

    /// A job as the API gives it.
    pub async fn job(&self, id: &str) -> Value {
        reqwest::get(self.at(&format!("/api/v1/jobs/{id}"))).await.unwrap().json().await.unwrap()
    }
}
