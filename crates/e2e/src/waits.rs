//! Waiting as a person does, for what the page shows: looked at as it changes, in the page itself.

use crate::{Browser, PATIENCE};
use serde_json::{Value, json};
use std::time::{Duration, Instant};
use thirtyfour::prelude::*;

const UNTIL: &str = include_str!("page/until.js");
const STILL: &str = include_str!("page/still.js");
const LEFT: &str = include_str!("page/left.js");
/// A script waits so long at a time, ms: it goes with its page when that is left, and is then begun anew.
const AT_A_TIME_MS: u32 = 2000;
/// Before what could not be asked is asked again.
const AGAIN: Duration = Duration::from_millis(40);

/// The first of what `css` names that is to be seen and says something, as a script.
fn saying(css: &str, said: &str) -> String {
    format!("() => [...document.querySelectorAll({})].find(e => e.checkVisibility() && (e.innerText ?? e.textContent).includes({}))", json!(css), json!(said))
}

impl Browser {
    /// What a function of the page gives once it is something; nothing where it never is.
    async fn until(&self, look: &str) -> Option<ScriptRet> {
        self.waited(&UNTIL.replace("LOOK", look), vec![json!(AT_A_TIME_MS)]).await
    }

    /// What a script that waits gives, asked until it gives something.
    async fn waited(&self, script: &str, told: Vec<Value>) -> Option<ScriptRet> {
        let until = Instant::now() + PATIENCE;
        loop {
            match self.page.execute_async(script, told.clone()).await {
                Ok(came) if !came.json().is_null() => return Some(came),
                Ok(_) => {}
                // The page was left meanwhile.
                Err(_) => tokio::time::sleep(AGAIN).await,
            }
            if Instant::now() >= until {
                return None;
            }
        }
    }

    async fn says(&self) -> String {
        let url = self.page.current_url().await.map(|u| u.to_string()).unwrap_or_default();
        format!("at {url}: {}", self.text("body").await)
    }

    /// Waits for what `css` names.
    ///
    /// # Panics
    /// When it never comes.
    pub async fn find(&self, css: &str) -> WebElement {
        match self.until(&format!("() => document.querySelector({})", json!(css))).await {
            Some(found) => found.element().unwrap(),
            None => panic!("{css} never came {}", self.says().await),
        }
    }

    /// The first of these that says this, waited for.
    ///
    /// # Panics
    /// When none comes to say it.
    pub async fn find_text(&self, css: &str, said: &str) -> WebElement {
        match self.until(&saying(css, said)).await {
            Some(found) => found.element().unwrap(),
            None => panic!("no {css} says {said} {}", self.says().await),
        }
    }

    /// Waits until the text of what `css` names holds `wanted`.
    ///
    /// # Panics
    /// When it never does.
    pub async fn wait_text(&self, css: &str, wanted: &str) -> String {
        let look = format!("() => {{ const t = document.querySelector({})?.innerText ?? ''; return t.includes({}) ? t : null; }}", json!(css), json!(wanted));
        match self.until(&look).await {
            Some(text) => text.json().as_str().unwrap_or_default().to_owned(),
            None => panic!("{css} never said {wanted:?}; it says {:?} {}", self.text(css).await, self.says().await),
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
            tokio::time::sleep(AGAIN).await;
        }
    }

    /// Waits until every answer the page has asked for has come and been drawn.
    pub async fn quiet(&self) {
        let twice = "const now = window.asked; return new Promise(done => requestAnimationFrame(() => setTimeout(() => done(now + window.asked), 80)))";
        self.comes_to(twice, 0).await;
    }

    /// Touches the middle of what `css` names, with a finger: once it stands still and nothing lies over it, as a person would.
    ///
    /// # Panics
    /// When it never does, or is too small for a knuckle.
    pub async fn touch(&self, css: &str) {
        let Some(still) = self.waited(STILL, vec![json!(css), json!(AT_A_TIME_MS)]).await else {
            panic!("{css} never stood still to be touched {}", self.says().await)
        };
        let [x, y, _, high] = serde_json::from_value(still.json().clone()).unwrap();
        let (x, y, high): (f64, f64, f64) = (x, y, high);
        assert!(high >= 44.0, "{css} is large enough for a knuckle: {high}");
        let point = json!([{ "x": x, "y": y }]);
        self.tools.send_raw("Input.dispatchTouchEvent", json!({ "type": "touchStart", "touchPoints": point })).await.unwrap();
        self.tools.send_raw("Input.dispatchTouchEvent", json!({ "type": "touchEnd", "touchPoints": [] })).await.unwrap();
    }

    /// Clicks what `css` names; again where something lay over it or it was drawn anew in that moment.
    ///
    /// # Panics
    /// When it never can be clicked.
    pub async fn click(&self, css: &str) {
        self.clicked(css, || self.find(css)).await;
    }

    /// Clicks the first of these that says this, as [`Self::click`] does.
    ///
    /// # Panics
    /// When it never can be clicked.
    pub async fn click_text(&self, css: &str, said: &str) {
        self.clicked(said, || self.find_text(css, said)).await;
    }

    /// Clicks what is found once it stands still, and finds it again while it cannot be clicked. A link is clicked until it
    /// is followed: one drawn anew between press and release was never clicked.
    async fn clicked(&self, named: &str, find: impl AsyncFn() -> WebElement) {
        let until = Instant::now() + PATIENCE;
        loop {
            let found = find().await;
            let still = self.page.execute_async(LEFT, vec![found.to_json().unwrap()]).await;
            let left = still.ok().and_then(|s| s.json().as_str().map(str::to_owned)).unwrap_or_default();
            match found.click().await {
                Ok(()) if left.is_empty() => return,
                Ok(()) => {
                    for _ in 0..50 {
                        if self.page.current_url().await.is_ok_and(|url| url.as_str() != left) {
                            return;
                        }
                        tokio::time::sleep(Duration::from_millis(20)).await;
                    }
                    assert!(Instant::now() < until, "{named} does not lead away from {left}");
                }
                Err(why) => assert!(Instant::now() < until, "{named} cannot be clicked: {why}"),
            }
            tokio::time::sleep(AGAIN).await;
        }
    }
}
