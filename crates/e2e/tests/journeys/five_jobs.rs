//! Five jobs from the board to a proven thread, with every action counted: a tap, a command key, one whole typed value each. What is cut
//! between the first pass and the last is one action a pass, told as another screen would.

use thirtyfour::prelude::*;
use yoke_e2e::{Browser, Server, retype};

/// A hand at the page that counts what it does.
struct Hand<'b> {
    browser: &'b Browser,
    actions: usize,
}

impl<'b> Hand<'b> {
    const fn new(browser: &'b Browser) -> Self {
        Self { browser, actions: 0 }
    }

    /// Holds that no more was needed: what is changed of the screens must not cost the hand more.
    fn at_most(&self, actions: usize) {
        assert!(self.actions <= actions, "{} actions, at most {actions}", self.actions);
    }

    async fn press(&mut self, key: impl Into<TypingData>) {
        self.actions += 1;
        self.browser.keys([key]).await;
    }

    /// Taps the first of these that says this.
    async fn tap(&mut self, css: &str, said: &str) {
        self.actions += 1;
        self.browser.click_text(css, said).await;
    }

    async fn types(&mut self, css: &str, text: &str) {
        self.actions += 1;
        retype(&self.browser.find(css).await, text).await;
    }

    /// A callout typed at the board makes a job and opens it.
    async fn begins(&mut self, callout: &str) -> String {
        self.press("/").await;
        self.types("[aria-label=Callout]", callout).await;
        self.press(Key::Enter + "").await;
        self.browser.find(".carry").await;
        self.job().await
    }

    async fn job(&self) -> String {
        let at = self.browser.page.current_url().await.unwrap();
        at.path_segments().unwrap().nth(1).unwrap().to_owned()
    }

    /// A word of the sentence set to one of its choices.
    async fn chooses(&mut self, word: &str, choice: &str) {
        self.tap("button.word", word).await;
        self.tap(".editor .choice", choice).await;
        self.browser.quiet().await;
    }

    /// A word of the sentence set to a length.
    async fn sets(&mut self, word: &str, length: &str) {
        self.tap("button.word", word).await;
        self.types(".editor input", length).await;
        self.press(Key::Enter + "").await;
        self.browser.quiet().await;
    }

    /// To the check, to the lathe, the passes, and the reading that proves it.
    async fn cuts(&mut self, server: &Server, id: &str) {
        self.press("5").await;
        self.browser.find(".carry").await;
        self.press("l").await;
        if self.browser.all_the_same().await {
            self.actions += 1;
        }
        self.browser.find(".setting, .told").await;
        self.press(" ").await;
        server.comes_to(id, "/run/begun", true).await;
        let job = server.job(id).await;
        let passes = job["run"]["schedule"].clone();
        self.actions += passes.as_array().unwrap().len();
        server.cut(id, &passes, "p").await;
        self.browser.find_text(".told", "").await;
        self.press("m").await;
        self.browser.find("[role=dialog] .way.on").await;
    }

    /// Tries the mate on: it goes.
    async fn tries(&mut self, server: &Server, id: &str) {
        if !self.browser.text("[role=dialog] .way.on").await.contains("mate") {
            self.tap("[role=dialog] .way", "The mate").await;
        }
        self.tap("[role=dialog] .mate-fits .choice", "Runs free").await;
        server.comes_to(id, "/run/finished", true).await;
    }

    /// Reads it over wires at what is aimed at.
    async fn reads(&mut self, server: &Server, id: &str) {
        let aim = server.job(id).await["plan"]["gauge"]["over_wires_mm"]["target"]["value"].as_f64().unwrap();
        self.types("[role=dialog] .editor input", &format!("{aim:.3} mm")).await;
        self.press(Key::Enter + "").await;
        server.comes_to(id, "/run/verdict/verdict", "in_limits").await;
    }
}

async fn begun() -> (tempfile::TempDir, Server, Browser) {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    browser.go(&server.at("/")).await;
    browser.find(".jobs li, .first-steps").await;
    (folder, server, browser)
}

/// Up to a shoulder, its relief as reckoned.
#[tokio::test]
async fn a_screw_to_a_shoulder_takes_so_many_actions() {
    let (_folder, server, browser) = begun().await;
    let mut hand = Hand::new(&browser);
    let id = hand.begins("M16x2").await;
    hand.chooses("into the open", "up to a shoulder").await;
    hand.sets("32 mm", "40").await;
    hand.cuts(&server, &id).await;
    hand.reads(&server, &id).await;
    hand.at_most(25);
    browser.close().await;
}

/// A nut to a screw of the same part: tried on it.
#[tokio::test]
async fn a_nut_to_match_takes_so_many_actions() {
    let (_folder, server, browser) = begun().await;
    let mut hand = Hand::new(&browser);
    hand.begins("Tr28x5").await;
    hand.tap("button.word", "Cut its nut too").await;
    hand.tap("a.word", "its nut").await;
    browser.wait_text(".sentence", "internal").await;
    let id = hand.job().await;
    hand.cuts(&server, &id).await;
    hand.tries(&server, &id).await;
    hand.at_most(42);
    browser.close().await;
}

#[tokio::test]
async fn a_left_hand_acme_takes_so_many_actions() {
    let (_folder, server, browser) = begun().await;
    let mut hand = Hand::new(&browser);
    let id = hand.begins("1-5 Acme LH").await;
    hand.sets("in", "6 in").await;
    hand.cuts(&server, &id).await;
    hand.tries(&server, &id).await;
    hand.at_most(58);
    browser.close().await;
}

#[tokio::test]
async fn an_unknown_bolt_takes_so_many_actions() {
    let (_folder, server, browser) = begun().await;
    let mut hand = Hand::new(&browser);
    hand.tap(".act", "I have only a sample").await;
    browser.wait_text(".answer", "across the outside").await;
    hand.types(".typed input", "19.9").await;
    hand.press(Key::Enter + "").await;
    browser.wait_text(".answer", "Spaces").await;
    hand.types(".typed input", "10").await;
    hand.types(".typed label:nth-of-type(2) input, .typed div:nth-of-type(2) input", "25").await;
    hand.press(Key::Enter + "").await;
    browser.wait_text(".may .first", "M20").await;
    hand.tap(".may .first .act", "Take it").await;
    browser.find(".carry").await;
    let id = hand.job().await;
    hand.cuts(&server, &id).await;
    hand.reads(&server, &id).await;
    hand.at_most(25);
    browser.close().await;
}

/// Four of them: what one takes after the batch is made, each of the others takes too.
#[tokio::test]
async fn a_batch_of_four_takes_so_many_actions() {
    let (_folder, server, browser) = begun().await;
    let mut hand = Hand::new(&browser);
    hand.begins("M12").await;
    hand.press("a").await;
    hand.types(".make-batch input", "4").await;
    hand.press(Key::Enter + "").await;
    let made = hand.actions;
    hand.tap("aside .act", "Begin part 1").await;
    browser.find(".carry, .lathe").await;
    let id = hand.job().await;
    hand.cuts(&server, &id).await;
    hand.reads(&server, &id).await;
    hand.at_most(made + 17);
    assert!(made <= 6, "{made} to make it");
    browser.close().await;
}
