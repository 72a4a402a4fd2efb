//! A browser, the real server and a database of its own, for the journeys in `tests/`.
#![allow(clippy::expect_used, clippy::unwrap_used, clippy::panic)] // test support: a failure is a failed test

mod cable;
pub mod floor;
mod stand_in;

pub use cable::{Cable, Line};
pub use stand_in::StandIn;

use serde_json::{Value, json};
use std::io::{BufRead, BufReader};
use std::mem::ManuallyDrop;
use std::os::unix::process::CommandExt;
use std::path::{Path, PathBuf};
use std::process::{Child, Command, Stdio};
use std::sync::Mutex;
use std::time::{Duration, Instant};
use thirtyfour::cdp::Cdp;
use thirtyfour::prelude::*;

/// The page size every screen is looked at in.
pub const DESK: (u32, u32) = (1280, 800);

/// Ended when dropped, a panic included.
struct Kept(Child);

impl Drop for Kept {
    fn drop(&mut self) {
        // A shell over a driver ends when its input does, with all it started; anything else is killed.
        if self.0.stdin.take().is_none() {
            let _ = self.0.kill();
        }
        let _ = self.0.wait();
    }
}

/// Whether all is being proven (`cargo xtask prove`), rather than the everyday check.
#[must_use]
pub fn proving() -> bool {
    std::env::var_os("YOKE_PROVE").is_some()
}

/// The top of the project.
pub fn root() -> PathBuf {
    Path::new(env!("CARGO_MANIFEST_DIR")).join("../..")
}

/// A program built with this one, wherever cargo was told to build.
///
/// # Panics
/// When it is not there.
#[must_use]
pub fn program(name: &str) -> PathBuf {
    let own = std::env::current_exe().expect("a program knows where it stands");
    // Programs of tests stand in a folder of their own under the others.
    let path = own.ancestors().skip(1).map(|folder| folder.join(name)).find(|path| path.is_file());
    path.unwrap_or_else(|| panic!("{name} is not built: `cargo xtask journey` builds what it drives"))
}

/// The server under test.
pub struct Server {
    child: Kept,
    folder: PathBuf,
    more: Vec<String>,
    /// Port it answers on; kept over a restart.
    pub port: u16,
}

impl Server {
    /// Starts the demo yard on a database in `folder`.
    #[must_use]
    pub fn start(folder: &Path) -> Self {
        Self::on(folder, 0, vec!["--demo".into()])
    }

    /// Starts a shop that is empty, as its owner first finds it.
    #[must_use]
    pub fn empty(folder: &Path) -> Self {
        Self::on(folder, 0, Vec::new())
    }

    /// The demo yard whose door to the shop's network may be opened, on ports of its own, which it keeps over a restart.
    ///
    /// # Panics
    /// When this machine has no port left.
    #[must_use]
    pub fn with_door(folder: &Path) -> Self {
        let free = || std::net::TcpListener::bind("127.0.0.1:0").and_then(|l| l.local_addr()).expect("a free port").port().to_string();
        let words = ["--demo", "--no-announce", "--shop-port", &free(), "--trust-port", &free()].map(str::to_owned);
        Self::on(folder, 0, words.to_vec())
    }

    fn on(folder: &Path, port: u16, more: Vec<String>) -> Self {
        let mut child = Command::new(program("yoke-turn"))
            .args(["serve", "--port", &port.to_string(), "--data"])
            .arg(folder)
            .args(&more)
            .stdout(Stdio::piped())
            .stderr(Stdio::null())
            .spawn()
            .expect("the server starts");
        let mut line = String::new();
        BufReader::new(child.stdout.as_mut().expect("piped")).read_line(&mut line).expect("it says its address");
        let port = line.trim().trim_end_matches('/').rsplit(':').next().and_then(|p| p.parse().ok()).expect("a port");
        Self { child: Kept(child), folder: folder.to_owned(), more, port }
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
        *self = Self::on(&self.folder, self.port, std::mem::take(&mut self.more));
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
        let wanted = wanted.into();
        let until = Instant::now() + PATIENCE;
        loop {
            let job = self.job(id).await;
            if job.pointer(pointer) == Some(&wanted) {
                return;
            }
            assert!(Instant::now() < until, "{id} never came to {wanted} at {pointer}; it has {:?}", job.pointer(pointer));
            tokio::time::sleep(Duration::from_millis(40)).await;
        }
    }

    /// A job as the API gives it.
    pub async fn job(&self, id: &str) -> Value {
        reqwest::get(self.at(&format!("/api/v1/jobs/{id}"))).await.unwrap().json().await.unwrap()
    }
}

/// Browsers that a journey is done with, for the next: starting one costs more than most journeys.
static IDLE: Mutex<Vec<Browser>> = Mutex::new(Vec::new());

/// A headless browser with its driver.
pub struct Browser {
    /// The page; never closed politely, which a journey that failed would wait minutes for: it goes with its driver.
    pub page: ManuallyDrop<WebDriver>,
    tools: Cdp,
    _driver: Kept,
    _profile: tempfile::TempDir,
}

/// Starts a driver, and says the port it took; nothing when it found none.
fn start_driver(command: &str) -> Option<(Kept, u16)> {
    // In a group of its own, with a shell that ends the whole group once this end of its input is gone: however the tests
    // end, no driver and no Chromium outlives them.
    let mut child = Command::new("sh")
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

/// Told to the tests: what the content policy blocks, what the page says on the console or throws, and what moves without being asked to.
const WATCH: &str = "
window.blocked = []; window.said = []; window.shifts = []; window.asked = 0;
const ask = window.fetch;
window.fetch = (...what) => { window.asked += 1; return ask(...what).finally(() => { window.asked -= 1; }); };
document.addEventListener('securitypolicyviolation', e => window.blocked.push(e.violatedDirective + ' ' + e.blockedURI));
for (const how of ['log', 'info', 'warn', 'error', 'debug']) console[how] = (...what) => window.said.push(how + ': ' + what.map(String).join(' '));
addEventListener('error', e => e.message && window.said.push('thrown: ' + e.message));
addEventListener('unhandledrejection', e => window.said.push('not caught: ' + String(e.reason)));
new PerformanceObserver(list => list.getEntries().filter(e => !e.hadRecentInput).forEach(e => window.shifts.push(e.value))).observe({ type: 'layout-shift', buffered: true });
";

/// How long a page may take to show something.
const PATIENCE: Duration = Duration::from_secs(15);

/// The middle and the size of what CSS names; nothing where it is off the page or something lies over it.
const MIDDLE: &str = "const on = document.querySelector(CSS); if (!on) return null; \
    const r = on.getBoundingClientRect(), x = r.x + r.width / 2, y = r.y + r.height / 2, top = document.elementFromPoint(x, y); \
    if (!top || !on.contains(top)) on.scrollIntoView({ block: 'center' }); \
    return top && on.contains(top) ? [x, y, r.width, r.height] : null";

impl Browser {
    /// One with an empty page of 1280 by 800, which it makes sure of: left by another journey, or started.
    pub async fn open() -> Self {
        let left = IDLE.lock().unwrap().pop();
        match left {
            Some(browser) => browser,
            None => Self::start().await,
        }
    }

    async fn start() -> Self {
        // A port picked by the system may be taken by the other address family meanwhile: ChromeDriver then gives up, and another is started.
        let (driver, port) = (0..5).find_map(|_| start_driver("chromedriver --port=0")).expect("ChromeDriver says its port");
        // The shop's own authority is none the system knows; that a browser which trusts it takes its certificates, the shop floor tries.
        Self::driven(driver, &format!("http://127.0.0.1:{port}"), &["--ignore-certificate-errors"]).await
    }

    /// One in a network namespace, whose driver answers at `address` there to `from`; it trusts what the store of its `home` does, and nothing else.
    ///
    /// # Panics
    /// When it does not start.
    pub async fn in_namespace(namespace: &str, [address, from]: [&str; 2], home: &Path) -> Self {
        let run = format!("ip netns exec {namespace} env HOME={} chromedriver --port=9515 --allowed-ips={from} --allowed-origins=*", home.display());
        let (driver, port) = start_driver(&run).expect("ChromeDriver says its port");
        Self::driven(driver, &format!("http://{address}:{port}"), &[]).await
    }

    async fn driven(driver: Kept, at: &str, more: &[&str]) -> Self {
        let profile = tempfile::tempdir().unwrap();
        let mut wants = DesiredCapabilities::chrome();
        for flag in [
            "--headless=new",
            "--no-sandbox",
            "--disable-gpu",
            "--disable-dev-shm-usage",
            "--no-first-run",
            "--disable-background-networking",
            "--disable-component-update",
            "--disable-sync",
        ]
        .iter()
        .chain(more)
        {
            wants.add_arg(flag).unwrap();
        }
        wants.add_arg(&format!("--user-data-dir={}", profile.path().display())).unwrap();
        let page = WebDriver::new(at, wants).await.expect("Chromium starts");
        let tools = page.cdp();
        let browser = Self { page: ManuallyDrop::new(page), tools, _driver: driver, _profile: profile };
        browser.tools.send_raw("Page.addScriptToEvaluateOnNewDocument", json!({ "source": WATCH })).await.unwrap();
        browser.size(DESK).await;
        browser
    }

    /// What stands against installing the page as an app of the device; nothing where it may be.
    ///
    /// # Panics
    /// When the browser does not say.
    pub async fn uninstallable(&self) -> Vec<String> {
        let told = self.tools.send_raw("Page.getInstallabilityErrors", json!({})).await.unwrap();
        told["installabilityErrors"].as_array().unwrap().iter().map(|e| e["errorId"].as_str().unwrap_or_default().to_owned()).collect()
    }

    /// Sets the page's size and makes sure of it.
    pub async fn size(&self, (width, height): (u32, u32)) {
        let metrics = json!({ "width": width, "height": height, "deviceScaleFactor": 1, "mobile": false });
        self.tools.send_raw("Emulation.setDeviceMetricsOverride", metrics).await.unwrap();
        let got = self.script("return [window.innerWidth, window.innerHeight]").await;
        assert_eq!(got, json!([width, height]), "the page's size");
    }

    /// Chooses the light or the dark look, as the system would.
    pub async fn look(&self, dark: bool) {
        let scheme = if dark { "dark" } else { "light" };
        let media = json!({ "features": [{ "name": "prefers-color-scheme", "value": scheme }, { "name": "prefers-reduced-motion", "value": "reduce" }] });
        self.tools.send_raw("Emulation.setEmulatedMedia", media).await.unwrap();
    }

    /// Whether motion is wanted, as the system would say.
    pub async fn motion(&self, wanted: bool) {
        let value = if wanted { "no-preference" } else { "reduce" };
        let media = json!({ "features": [{ "name": "prefers-reduced-motion", "value": value }] });
        self.tools.send_raw("Emulation.setEmulatedMedia", media).await.unwrap();
    }

    /// Goes to an address.
    pub async fn go(&self, address: &str) {
        // A connection to ChromeDriver kept open may be closed by it in just that moment: then it is asked once more.
        if self.page.goto(address).await.is_err() {
            self.page.goto(address).await.unwrap();
        }
    }

    /// Runs a script in the page.
    pub async fn script(&self, text: &str) -> Value {
        self.page.execute(text, vec![]).await.unwrap().json().clone()
    }

    /// Presses keys on the page as a whole.
    pub async fn keys(&self, keys: impl IntoIterator<Item = impl Into<TypingData>>) {
        for key in keys {
            self.page.action_chain().send_keys(key).perform().await.unwrap();
        }
    }

    /// Touches the middle of what `css` names, with a finger: once it stands still and nothing lies over it, as a person would.
    ///
    /// # Panics
    /// When it never does, or is too small for a knuckle.
    pub async fn touch(&self, css: &str) {
        let until = Instant::now() + PATIENCE;
        let mut before = Value::Null;
        loop {
            self.find(css).await;
            let at = self.script(&MIDDLE.replace("CSS", &format!("{css:?}"))).await;
            if at.is_array() && at == before {
                assert!(at[3].as_f64().unwrap() >= 44.0, "{css} is large enough for a knuckle: {at}");
                break;
            }
            assert!(Instant::now() < until, "{css} never stood still to be touched: {at}");
            before = at;
            tokio::time::sleep(Duration::from_millis(40)).await;
        }
        let point = json!([{ "x": before[0], "y": before[1] }]);
        self.tools.send_raw("Input.dispatchTouchEvent", json!({ "type": "touchStart", "touchPoints": point })).await.unwrap();
        self.tools.send_raw("Input.dispatchTouchEvent", json!({ "type": "touchEnd", "touchPoints": [] })).await.unwrap();
    }

    /// Opens the at-the-lathe screen, and goes on all the same where the check is red. Says whether it asked.
    pub async fn stand(&self, url: &str) -> bool {
        self.go(url).await;
        self.all_the_same().await
    }

    /// At the lathe, goes on all the same where the check is red. Says whether it asked.
    pub async fn all_the_same(&self) -> bool {
        self.find(".lathe").await;
        let asked = self
            .script("const on = [...document.querySelectorAll('.lathe-key')].find(b => b.textContent === 'Cut all the same'); on?.click(); return Boolean(on)")
            .await;
        asked.as_bool().unwrap_or(false)
    }

    /// Waits out the guard of the at-the-lathe screen against a second press.
    pub async fn breathe(&self) {
        tokio::time::sleep(Duration::from_millis(760)).await;
    }

    /// Marks one pass as cut, with Space.
    pub async fn one_pass(&self) {
        self.breathe().await;
        self.keys([" "]).await;
    }

    /// Waits for what `css` names.
    pub async fn find(&self, css: &str) -> WebElement {
        let found = self.page.query(By::Css(css)).wait(PATIENCE, Duration::from_millis(40)).first().await;
        match found {
            Ok(element) => element,
            Err(_) => panic!("{css} never came; the page says: {}", self.text("body").await),
        }
    }

    /// The first of these that says this, waited for.
    ///
    /// # Panics
    /// When none comes to say it.
    pub async fn find_text(&self, css: &str, said: &str) -> WebElement {
        for _ in 0..100 {
            for one in self.page.find_all(By::Css(css)).await.unwrap_or_default() {
                if one.text().await.is_ok_and(|t| t.contains(said)) {
                    return one;
                }
            }
            tokio::time::sleep(Duration::from_millis(50)).await;
        }
        panic!("no {css} says {said}");
    }

    /// The text of what `css` names, at once.
    pub async fn text(&self, css: &str) -> String {
        let script = format!("return document.querySelector({css:?})?.innerText ?? ''");
        self.script(&script).await.as_str().unwrap_or_default().to_owned()
    }

    /// Waits until the text of what `css` names holds `wanted`.
    pub async fn wait_text(&self, css: &str, wanted: &str) -> String {
        let until = Instant::now() + PATIENCE;
        loop {
            let text = self.text(css).await;
            if text.contains(wanted) {
                return text;
            }
            if Instant::now() >= until {
                let url = self.page.current_url().await.map(|u| u.to_string()).unwrap_or_default();
                panic!("{css} never said {wanted:?}; it says {text:?} at {url}: {}", self.text("body").await);
            }
            tokio::time::sleep(Duration::from_millis(40)).await;
        }
    }

    /// Waits until a script's answer is `wanted`.
    ///
    /// # Panics
    /// When it never is.
    pub async fn comes_to(&self, script: &str, wanted: impl Into<Value>) {
        let (wanted, until) = (wanted.into(), Instant::now() + PATIENCE);
        loop {
            let is = self.script(script).await;
            if is == wanted {
                return;
            }
            assert!(Instant::now() < until, "{script} never came to {wanted}; it is {is}");
            tokio::time::sleep(Duration::from_millis(40)).await;
        }
    }

    /// Waits until every answer the page has asked for has come and been drawn.
    pub async fn quiet(&self) {
        let twice = "const now = window.asked; return new Promise(done => requestAnimationFrame(() => setTimeout(() => done(now + window.asked), 80)))";
        self.comes_to(twice, 0).await;
    }

    /// Clicks what `css` names; again where something lay over it or it was drawn anew in that moment.
    ///
    /// # Panics
    /// When it never can be clicked.
    pub async fn click(&self, css: &str) {
        click(&self.page, css, || self.find(css)).await;
    }

    /// Clicks the first of these that says this, as [`Self::click`] does.
    ///
    /// # Panics
    /// When it never can be clicked.
    pub async fn click_text(&self, css: &str, said: &str) {
        click(&self.page, said, || self.find_text(css, said)).await;
    }

    /// Reads the notes of a station, behind their one word, until they hold `wanted`, and closes them.
    pub async fn noted(&self, wanted: &str) -> String {
        self.click(".notes-key").await;
        let told = self.wait_text("[role=dialog] .notes", wanted).await;
        self.close_leaf().await;
        told
    }

    /// Closes the leaf that is open, by Escape, and waits until it is gone.
    ///
    /// # Panics
    /// When it stays.
    pub async fn close_leaf(&self) {
        self.keys([Key::Escape]).await;
        for _ in 0..50 {
            if self.page.find_all(By::Css("[role=dialog]")).await.unwrap().is_empty() {
                return;
            }
            // The Escape may have gone to a field in it.
            self.script("document.querySelector('[role=dialog] button[aria-label=Close]')?.click()").await;
            tokio::time::sleep(Duration::from_millis(30)).await;
        }
        panic!("a leaf stays open: {}", self.text("[role=dialog]").await);
    }

    /// Serious faults axe finds on the page, as `rule: where`.
    pub async fn axe(&self) -> Vec<String> {
        let axe = std::fs::read_to_string(root().join("web/node_modules/axe-core/axe.min.js")).expect("axe-core is installed by npm ci");
        self.page.execute(axe, vec![]).await.unwrap();
        let run = "const done = arguments[arguments.length - 1]; axe.run(document, { resultTypes: ['violations'] }).then(r => done(r.violations.filter(v => v.impact === 'serious' || v.impact === 'critical').flatMap(v => v.nodes.map(n => v.id + ': ' + n.html.slice(0, 160) + ' ' + (n.any[0]?.message ?? '').slice(0, 160)))))";
        let found = self.page.execute_async(run, vec![]).await.unwrap();
        serde_json::from_value(found.json().clone()).unwrap()
    }

    /// What the content policy has blocked on this page.
    pub async fn blocked(&self) -> Vec<String> {
        serde_json::from_value(self.script("return window.blocked").await).unwrap()
    }

    /// What the page has said on the console or thrown, since it was opened.
    pub async fn said(&self) -> Vec<String> {
        serde_json::from_value(self.script("return window.said").await).unwrap()
    }

    /// How much of the page has moved unasked since this was last asked, as the share browsers reckon it by.
    pub async fn shifted(&self) -> f64 {
        self.script("return window.shifts.splice(0).reduce((a, b) => a + b, 0)").await.as_f64().unwrap_or(f64::NAN)
    }

    /// Takes a picture of the page.
    pub async fn picture(&self, path: &Path) {
        self.page.screenshot(path).await.unwrap();
    }

    /// Prints the page as the browser's own print does, by the page sizes its styles name; the pages as text.
    pub async fn printed(&self) -> Vec<String> {
        let folder = tempfile::tempdir().unwrap();
        let file = folder.path().join("print.pdf");
        std::fs::write(&file, self.pdf().await).unwrap();
        let read = Command::new("pdftotext").args(["-layout", "-enc", "UTF-8"]).arg(&file).arg("-").output();
        let text = read.expect("pdftotext is installed: apt-get install poppler-utils").stdout;
        // A page ends in a form feed.
        String::from_utf8(text).unwrap().split_terminator('\u{c}').map(str::to_owned).collect()
    }

    /// The same as a file.
    pub async fn pdf(&self) -> Vec<u8> {
        use base64::Engine;
        let printed = self.tools.send_raw("Page.printToPDF", json!({ "preferCSSPageSize": true, "printBackground": true })).await.unwrap();
        base64::engine::general_purpose::STANDARD.decode(printed["data"].as_str().unwrap()).unwrap()
    }

    /// Leaves it for another journey, as new. A journey that fails does not come here, and its browser goes with it.
    pub async fn close(self) {
        let said = self.said().await;
        assert!(said.is_empty(), "said on the console: {said:?}");
        // What is typed and not told is kept by the tab itself.
        let origin = self.script("sessionStorage.clear(); return window.origin").await;
        self.go("about:blank").await;
        let windows = self.page.windows().await.unwrap();
        assert_eq!(windows.len(), 1, "a journey closes the windows it opened");
        self.tools.send_raw("Storage.clearDataForOrigin", json!({ "origin": origin, "storageTypes": "all" })).await.unwrap();
        self.tools.send_raw("Emulation.setEmulatedMedia", json!({ "features": [] })).await.unwrap();
        self.size(DESK).await;
        IDLE.lock().unwrap().push(self);
    }
}

/// Clicks what is found once it stands still, and finds it again while it cannot be clicked. A link is clicked until it
/// is followed: one drawn anew between press and release was never clicked.
async fn click(page: &WebDriver, named: &str, find: impl AsyncFn() -> WebElement) {
    let until = Instant::now() + PATIENCE;
    loop {
        let found = find().await;
        let still = page.execute_async(STILL, vec![found.to_json().unwrap()]).await;
        let left = still.ok().and_then(|s| s.json().as_str().map(str::to_owned)).unwrap_or_default();
        match found.click().await {
            Ok(()) if left.is_empty() => return,
            Ok(()) => {
                for _ in 0..50 {
                    if page.current_url().await.is_ok_and(|url| url.as_str() != left) {
                        return;
                    }
                    tokio::time::sleep(Duration::from_millis(20)).await;
                }
                assert!(Instant::now() < until, "{named} does not lead away from {left}");
            }
            Err(why) => assert!(Instant::now() < until, "{named} cannot be clicked: {why}"),
        }
        tokio::time::sleep(Duration::from_millis(40)).await;
    }
}

/// Waits until an element stood at one place over two frames; says what page it leads away from, if it is a link of the app's own.
const STILL: &str = "const [link, done] = arguments; let at = ''; const look = () => { const r = link.getBoundingClientRect(); const now = `${r.x} ${r.y}`; if (now === at) done(link.tagName === 'A' && !link.target && !link.hasAttribute('download') && !link.pathname.startsWith('/api/') && link.href !== location.href ? location.href : ''); else { at = now; requestAnimationFrame(look); } }; look();";

/// Types over what a field holds.
///
/// # Panics
/// When the field is gone.
pub async fn retype(field: &WebElement, text: impl Into<TypingData>) {
    field.send_keys(Key::Control + "a").await.unwrap();
    field.send_keys(text).await.unwrap();
}
