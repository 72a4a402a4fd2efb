//! The shop's network, from the desk and from a tablet by the lathe: opened, let in by a code, a pass told, put out.

use serde_json::{Value, json};
use tokio::sync::Mutex;
use yoke_e2e::{Browser, Server, retype};

async fn door(server: &Server) -> Value {
    reqwest::get(server.at("/api/v1/door")).await.unwrap().json().await.unwrap()
}

/// Lets a tablet in by a code given at the desk, by an address of this machine; where the app then is.
async fn let_in(server: &Server, tablet: &Browser, host: &str) -> String {
    let client = reqwest::Client::new();
    let open = client.put(server.at("/api/v1/door")).json(&json!({"open": true})).send().await.unwrap();
    assert!(open.status().is_success(), "{}", open.text().await.unwrap());
    let told: Value = client.post(server.at("/api/v1/door/code")).json(&json!({"role": "works"})).send().await.unwrap().json().await.unwrap();
    let told = &told["code"];
    let port = told["told"]["at"].as_str().unwrap_or_else(|| panic!("{told}")).split("/pair").next().unwrap().rsplit(':').next().unwrap().to_owned();
    let at = format!("https://{host}:{port}");
    tablet.size((1024, 768)).await;
    tablet.go(&format!("{at}/pair")).await;
    retype(&tablet.find("[name=name]").await, "Tablet at the Long bed").await;
    retype(&tablet.find("[name=code]").await, told["code"].as_str().unwrap()).await;
    tablet.touch("button").await;
    tablet.find(".jobs li").await;
    at
}

/// A newer app is newer for every tablet: who asks for one has the yard alone.
static YARD: Mutex<()> = Mutex::const_new(());

/// The worker that keeps the app is the page's own.
const KEPT: &str = "return Boolean(navigator.serviceWorker.controller)";

#[tokio::test]
async fn a_tablet_starts_without_the_network_and_goes_on_with_its_run() {
    const JOB: &str = "footbridge-tie-rod";
    let _alone = YARD.lock().await;
    let folder = tempfile::tempdir().unwrap();
    let mut server = Server::with_door(folder.path());
    let tablet = Browser::open().await;
    let at = let_in(&server, &tablet, "127.0.0.1").await;
    tablet.comes_to(KEPT, true).await;
    // Looked at once, with the worker there: what the lathe's screen needs is known.
    tablet.go(&format!("{at}/jobs/{JOB}/at-the-lathe")).await;
    tablet.find(".setting").await;
    let before = server.job(JOB).await["run"]["passes_done"].as_u64().unwrap();
    // The desk has the same job open: each sees the other.
    let desk = Browser::open().await;
    desk.go(&server.at(&format!("/jobs/{JOB}/cut"))).await;
    desk.wait_text("main", "Also on this job: Tablet at the Long bed").await;
    tablet.wait_text(".lathe", "Also on this job: the desk").await;
    desk.close().await;

    // The power goes, and the tablet is started anew: it shows where it was, says so, and takes what is told.
    server.kill();
    tablet.go("about:blank").await;
    tablet.go(&format!("{at}/jobs/{JOB}/at-the-lathe")).await;
    tablet.wait_text(".unanswered", "what is shown is as it was at").await;
    let shown = tablet.find(".setting").await.text().await.unwrap();
    tablet.one_pass().await;
    tablet.wait_text(".lathe", "1 act is kept here").await;
    tablet.one_pass().await;
    tablet.wait_text(".lathe", "2 acts are kept here").await;
    assert_ne!(tablet.find(".setting").await.text().await.unwrap(), shown);
    // Started anew once more, nothing of it is lost; and it is kept though another page is opened.
    tablet.go(&format!("{at}/")).await;
    tablet.find(".jobs li").await;
    tablet.wait_text(".unanswered", "not sent yet: 2").await;

    // It is back, and the tablet comes by another address, where nothing is known of what waits at this one: it is brought along as a file.
    let file = tablet.script("return decodeURIComponent(document.querySelector('.unanswered a').href.split(',')[1])").await;
    tablet.go("about:blank").await;
    server.restart();
    let_in(&server, &tablet, "localhost").await;
    tablet.go(&format!("{}/shop", at.replace("127.0.0.1", "localhost"))).await;
    tablet.click_text("button", "Read a shop file").await;
    retype(&tablet.find(".reading textarea").await, file.as_str().unwrap()).await;
    tablet.click_text(".reading .act", "Take it in").await;
    tablet.wait_text("main", "taken in here: 2").await;
    server.comes_to(JOB, "/run/passes_done", before + 2).await;
    // Where it waited it is sent too, and is the same.
    tablet.go(&format!("{at}/")).await;
    let left = "return Object.keys(localStorage).filter(k => k.startsWith('outbox:')).flatMap(k => JSON.parse(localStorage[k])).length";
    tablet.comes_to(left, 0).await;
    tablet.comes_to("return document.querySelectorAll('.unanswered').length", 0).await;
    server.comes_to(JOB, "/run/passes_done", before + 2).await;
    tablet.close().await;
}

/// The app's worker as built, a line longer: that is a newer app. As it was once this is dropped.
struct Newer(std::path::PathBuf, String);

impl Newer {
    fn app() -> Self {
        let at = yoke_e2e::root().join("web/dist/sw.js");
        let built = std::fs::read_to_string(&at).unwrap();
        std::fs::write(&at, format!("{built}\n// newer\n")).unwrap();
        Self(at, built)
    }
}

impl Drop for Newer {
    fn drop(&mut self) {
        let _ = std::fs::write(&self.0, &self.1);
    }
}

#[tokio::test]
async fn a_newer_app_comes_in_between_two_passes_and_never_in_one() {
    const JOB: &str = "footbridge-tie-rod";
    let _alone = YARD.lock().await;
    let folder = tempfile::tempdir().unwrap();
    let server = Server::with_door(folder.path());
    let tablet = Browser::open().await;
    let at = let_in(&server, &tablet, "127.0.0.1").await;
    tablet.comes_to(KEPT, true).await;
    tablet.go(&format!("{at}/jobs/{JOB}/at-the-lathe")).await;
    tablet.find(".setting").await;
    tablet.one_pass().await;
    tablet.script("window.same = true").await;
    let newer = Newer::app();
    tablet.script("navigator.serviceWorker.getRegistration().then(r => r.update())").await;
    tablet.wait_text(".lathe", "it comes in after this pass").await;
    // The pass goes on, and the page under it is the same.
    tokio::time::sleep(std::time::Duration::from_secs(4)).await;
    assert_eq!(tablet.script("return window.same").await, true);
    let before = server.job(JOB).await["run"]["passes_done"].as_u64().unwrap();
    tablet.one_pass().await;
    tablet.comes_to("return window.same ?? null", Value::Null).await;
    tablet.find(".setting").await;
    server.comes_to(JOB, "/run/passes_done", before + 1).await;
    assert_eq!(tablet.script("return navigator.serviceWorker.getRegistration().then(r => r.waiting === null)").await, true);
    drop(newer);
    tablet.close().await;
}

#[tokio::test]
async fn a_tablet_is_let_in_works_at_the_lathe_and_is_put_out() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::with_door(folder.path());
    let desk = Browser::open().await;
    desk.go(&server.at("/shop")).await;
    desk.click_text("main a", "The shop’s network").await;
    desk.wait_text(".network", "Only this computer has the app").await;
    desk.touch("[role=radio]").await;
    desk.wait_text(".fingerprint", ":").await;
    assert!(desk.axe().await.is_empty(), "{:?}", desk.axe().await);
    desk.click_text(".act", "Give a code").await;
    let code = desk.find(".code").await.text().await.unwrap();
    desk.comes_to("return document.querySelectorAll('.photographed img').length", 2).await;
    assert!(desk.blocked().await.is_empty(), "{:?}", desk.blocked().await);

    // The tablet: nothing of the app until the code is told; a wrong one first.
    let told = door(&server).await["code"]["told"]["at"].as_str().unwrap().to_owned();
    let port = told.split("/pair").next().unwrap().rsplit(':').next().unwrap().to_owned();
    let at = |path: &str| format!("https://127.0.0.1:{port}{path}");
    let tablet = Browser::open().await;
    tablet.size((768, 1024)).await;
    tablet.go(&at("/")).await;
    tablet.wait_text("form", "Let this device in").await;
    assert!(tablet.axe().await.is_empty(), "{:?}", tablet.axe().await);
    retype(&tablet.find("[name=name]").await, "Tablet at the Long bed").await;
    retype(&tablet.find("[name=code]").await, "0000 0000").await;
    tablet.touch("button").await;
    tablet.wait_text("form", "That code is not the one").await;
    assert_eq!(tablet.script("return document.querySelector('[name=name]').value").await, "Tablet at the Long bed");
    retype(&tablet.find("[name=code]").await, code).await;
    tablet.touch("button").await;
    tablet.find(".jobs li").await;

    // It works at the lathe, and sees what the desk does; the desk sees it.
    tablet.go(&at("/jobs/footbridge-tie-rod/at-the-lathe")).await;
    let before = server.job("footbridge-tie-rod").await["run"]["passes_done"].as_u64().unwrap();
    tablet.find(".setting").await;
    tablet.one_pass().await;
    server.comes_to("footbridge-tie-rod", "/run/passes_done", before + 1).await;
    tablet.go(&at("/shop/network")).await;
    tablet.wait_text(".network", "the desk’s own").await;
    desk.wait_text(".devices", "Tablet at the Long bed").await;
    desk.click_text(".devices [role=radio]", "Sees").await;
    desk.comes_to("return document.querySelector('.devices [aria-checked=true]').textContent", "Sees").await;
    desk.click_text(".devices .act", "Put out").await;
    desk.wait_text(".network", "None yet").await;
    tablet.go(&at("/")).await;
    tablet.wait_text("form", "Let this device in").await;
    // Shut again, as it was.
    desk.click_text("[role=radio]", "Shut").await;
    desk.wait_text(".network", "Only this computer has the app").await;
    assert_eq!(door(&server).await["open"], json!(false));
    desk.close().await;
    tablet.close().await;
}
