//! A headless browser: what a person does with a page, and what it says.

use crate::driver::Driver;
use crate::root;
use serde_json::{Value, json};
use std::collections::BTreeSet;
use std::mem::ManuallyDrop;
use std::path::Path;
use std::process::Command;
use std::sync::Mutex;
use std::time::Duration;
use thirtyfour::cdp::Cdp;
use thirtyfour::prelude::*;

/// The page size every screen is looked at in.
pub const DESK: (u32, u32) = (1280, 800);

const WATCH: &str = include_str!("page/watch.js");

/// Browsers that a journey is done with, for the next: starting one costs more than most journeys.
static IDLE: Mutex<Vec<Browser>> = Mutex::new(Vec::new());

/// A headless browser with its driver.
pub struct Browser {
    /// The page; never closed politely, which a journey that failed would wait minutes for: it goes with its driver.
    pub page: ManuallyDrop<WebDriver>,
    pub(crate) tools: Cdp,
    /// Where it was, since it was as new.
    been: Mutex<BTreeSet<String>>,
    _driver: Driver,
}

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
        Self::of(Driver::start().await).await
    }

    /// One in a network namespace, whose driver answers at `address` there to `from`; it trusts what the store of its `home` does, and nothing else.
    ///
    /// # Panics
    /// When it does not start.
    pub async fn in_namespace(namespace: &str, answers: [&str; 2], home: &Path) -> Self {
        Self::of(Driver::in_namespace(namespace, answers, home).await).await
    }

    async fn of((driver, page): (Driver, WebDriver)) -> Self {
        let browser = Self { tools: page.cdp(), page: ManuallyDrop::new(page), been: Mutex::default(), _driver: driver };
        browser.tools.send_raw("Page.addScriptToEvaluateOnNewDocument", json!({ "source": WATCH })).await.unwrap();
        browser.as_new().await;
        browser
    }

    /// As every journey finds it. Nothing moves by itself: what is drawn sixty times a second beside three others is what a journey waits for.
    async fn as_new(&self) {
        self.motion(false).await;
        self.size(DESK).await;
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
        self.prefers(&[("prefers-color-scheme", scheme), ("prefers-reduced-motion", "reduce")]).await;
    }

    /// Whether motion is wanted, as the system would say.
    pub async fn motion(&self, wanted: bool) {
        self.prefers(&[("prefers-reduced-motion", if wanted { "no-preference" } else { "reduce" })]).await;
    }

    async fn prefers(&self, all: &[(&str, &str)]) {
        let features: Vec<_> = all.iter().map(|(name, value)| json!({ "name": name, "value": value })).collect();
        self.tools.send_raw("Emulation.setEmulatedMedia", json!({ "features": features })).await.unwrap();
    }

    /// Goes to an address, the app begun anew.
    pub async fn go(&self, address: &str) {
        // Scheme, nothing, host with its port.
        let origin: Vec<&str> = address.splitn(4, '/').take(3).collect();
        if let [_, _, _] = origin[..] {
            self.been.lock().unwrap().insert(origin.join("/"));
        }
        // A connection to ChromeDriver kept open may be closed by it in just that moment: then it is asked once more.
        if self.page.goto(address).await.is_err() {
            self.page.goto(address).await.unwrap();
        }
    }

    /// Turns to another page of the app that is open, as a link in it does: nothing is begun anew.
    pub async fn turn(&self, path: &str) {
        self.script(&format!("history.pushState({{}}, '', {})", json!(path))).await;
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

    /// Waits out the guard of the at-the-lathe screen against a second press: by the page's own time, for what it was told before counts from
    /// when it came to it.
    pub async fn breathe(&self) {
        if self.page.execute_async("setTimeout(arguments[0], 760)", vec![]).await.is_err() {
            // The page was left meanwhile.
            tokio::time::sleep(Duration::from_millis(760)).await;
        }
    }

    /// Marks one pass as cut, with Space.
    pub async fn one_pass(&self) {
        self.breathe().await;
        self.keys([" "]).await;
    }

    /// The text of what `css` names, at once.
    pub async fn text(&self, css: &str) -> String {
        let script = format!("return document.querySelector({css:?})?.innerText ?? ''");
        self.script(&script).await.as_str().unwrap_or_default().to_owned()
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
        self.script("sessionStorage.clear()").await;
        self.go("about:blank").await;
        let windows = self.page.windows().await.unwrap();
        assert_eq!(windows.len(), 1, "a journey closes the windows it opened");
        let been = std::mem::take(&mut *self.been.lock().unwrap());
        for origin in been {
            self.tools.send_raw("Storage.clearDataForOrigin", json!({ "origin": origin, "storageTypes": "all" })).await.unwrap();
        }
        self.as_new().await;
        IDLE.lock().unwrap().push(self);
    }
}

/// Types over what a field holds.
///
/// # Panics
/// When the field is gone.
pub async fn retype(field: &WebElement, text: impl Into<TypingData>) {
    field.send_keys(Key::Control + "a").await.unwrap();
    field.send_keys(text).await.unwrap();
}
