//! The door to the shop's network, tried on a network: a desk and two tablets in namespaces of their own, whose browsers trust the shop's
//! authority and nothing else. As root, with iproute2, certutil, curl and openssl: `cargo xtask shop-floor`.
#![allow(clippy::unwrap_used, clippy::panic)] // a tool of the workshop: it stops where it fails

use serde_json::{Value, json};
use std::io::Read;
use std::net::TcpStream;
use std::path::Path;
use std::process::{Child, Command, Stdio};
use std::time::{Duration, Instant};
use yoke_e2e::floor::{Floor, run, said};
use yoke_e2e::{Browser, program, proving, retype};

const JOB: &str = "footbridge-tie-rod";
const DESK: &str = "10.77.0.1";
const MOVED: &str = "10.77.0.9";

/// The desk: its server, asked at its own loopback.
struct Desk {
    space: String,
    server: Child,
    name: String,
}

impl Drop for Desk {
    fn drop(&mut self) {
        let _ = self.server.kill();
        let _ = self.server.wait();
    }
}

impl Desk {
    fn at(floor: &mut Floor, data: &Path) -> Self {
        let space = floor.host("desk", 1);
        let name = format!("{}.local", run("hostname -s").trim().to_lowercase());
        let mut server = Command::new("ip");
        server.args(["netns", "exec", &space]).arg(program("yoke-turn")).args(["serve", "--demo", "--shop", "--data"]).arg(data);
        let server = server.stdout(Stdio::null()).stderr(Stdio::null()).spawn().unwrap();
        let desk = Self { space, server, name };
        desk.waits(|d| d.curl("http://127.0.0.1:4720/healthz") == "ok");
        desk.waits(|d| d.door()["open"] == true);
        desk
    }

    fn waits(&self, will_do: impl Fn(&Self) -> bool) {
        let until = Instant::now() + Duration::from_secs(180);
        while !will_do(self) {
            assert!(Instant::now() < until, "it never came");
            std::thread::sleep(Duration::from_millis(100));
        }
    }

    fn curl(&self, what: &str) -> String {
        String::from_utf8_lossy(&said(&format!("ip netns exec {} curl -s {what}", self.space)).stdout).into_owned()
    }

    fn api(&self, path: &str) -> Value {
        serde_json::from_str(&self.curl(&format!("http://127.0.0.1:4720/api/v1{path}"))).unwrap()
    }

    fn door(&self) -> Value {
        self.api("/door")
    }

    fn passes(&self) -> u64 {
        self.api(&format!("/jobs/{JOB}"))["run"]["passes_done"].as_u64().unwrap()
    }

    fn code(&self, role: &str) -> String {
        let body = json!({ "role": role }).to_string();
        let answer = self.curl(&format!("-X POST -H 'content-type: application/json' -d '{body}' http://127.0.0.1:4720/api/v1/door/code"));
        serde_json::from_str::<Value>(&answer).unwrap()["code"]["code"].as_str().unwrap().to_owned()
    }
}

/// What a stranger in a namespace is answered: the status, or 000 where nobody answers.
fn status(space: &str, more: &str) -> String {
    String::from_utf8_lossy(&said(&format!("ip netns exec {space} curl -s -k -m 8 -o /dev/null -w '%{{http_code}}' {more}")).stdout).into_owned()
}

fn shown(what: &str) {
    println!("held: {what}");
}

/// What it comes to with nobody let in.
fn strangers(desk: &Desk, one: &str, two: &str) {
    for path in ["/index.html", "/sw.js", "/manifest.webmanifest", "/mark.svg", "/api/v1/jobs", "/api/v1/door", "/healthz", "/api/v1/openapi.json"] {
        assert_eq!(status(one, &format!("https://{DESK}:4721{path}")), "401", "{path}");
    }
    assert_eq!(status(one, &format!("-H 'Accept: text/html' https://{DESK}:4721/")), "303");
    shown("a stranger has the page to pair on, and nothing else");
    for path in ["/api/v1/jobs", "/pair", "/index.html", "/authority.key", "/../authority.key"] {
        assert_eq!(status(one, &format!("--path-as-is http://{DESK}:4722{path}")), "404", "{path}");
    }
    assert_eq!(status(one, &format!("http://{DESK}:4721/")), "000");
    assert_eq!(status(one, &format!("http://{DESK}:4720/")), "000");
    shown("plain HTTP has the authority and nothing else; the desk's own port is not on the network");
    assert_eq!(status(one, "https://rebound.example:4721/pair"), "403");
    assert_eq!(status(one, &format!("-H 'Origin: http://10.77.0.12:8000' https://{DESK}:4721/pair")), "403");
    shown("a name rebound to the desk, and a foreign origin, are refused");
    for old in ["-tls1", "-tls1_1"] {
        let greeted = said(&format!("ip netns exec {one} openssl s_client {old} -cipher ALL:@SECLEVEL=0 -connect {DESK}:4721 </dev/null 2>&1"));
        let told = String::from_utf8_lossy(&greeted.stdout).into_owned();
        assert!(told.contains("alert protocol version") || told.contains("Cipher is (NONE)"), "{old}: {told}");
    }
    shown("TLS 1.0 and 1.1 are not spoken");
    // Half-open: a neighbour takes every connection it can and says nothing.
    let mut holds =
        Command::new("ip").args(["netns", "exec", two]).arg(std::env::current_exe().unwrap()).args(["hold", &format!("{DESK}:4721")]).spawn().unwrap();
    std::thread::sleep(Duration::from_secs(2));
    let begun = Instant::now();
    assert_eq!(status(one, &format!("https://{DESK}:4721/pair")), "200");
    println!("held: with 300 connections of a neighbour half open, the page is there in {} ms", begun.elapsed().as_millis());
    assert!(holds.wait().unwrap().success());
    let heard = run(&format!("ip netns exec {one} {} hears", std::env::current_exe().unwrap().display()));
    assert!(heard.contains(&desk.name) && heard.contains(DESK) && heard.contains("4721"), "{heard}");
    shown("its name, address and port are heard by multicast");
}

/// Opens connections, says nothing, and sees them end: none is held for ever, nor more than its share.
fn hold(at: &str) {
    let mut all: Vec<TcpStream> = (0..300).filter_map(|_| TcpStream::connect(at).ok()).collect();
    std::thread::sleep(Duration::from_secs(14));
    let open =
        all.iter_mut().filter_map(|s| s.set_read_timeout(Some(Duration::from_millis(20))).ok().map(|()| s)).filter_map(|s| s.read(&mut [0; 8]).err()).count();
    assert_eq!(open, 0, "connections are still held after 14 s");
}

/// What is heard of services on the network within a while: names and addresses.
fn hears() {
    let daemon = mdns_sd::ServiceDaemon::new().unwrap();
    let heard = daemon.browse("_https._tcp.local.").unwrap();
    let until = Instant::now() + Duration::from_secs(10);
    while let Ok(event) = heard.recv_timeout(until.saturating_duration_since(Instant::now())) {
        if let mdns_sd::ServiceEvent::ServiceResolved(found) = event {
            println!("{} {:?} {}", found.host, found.addresses, found.port);
            return;
        }
    }
}

/// A tablet whose browser trusts the shop's authority.
async fn tablet(space: &str, n: u8, home: &Path) -> Browser {
    let store = home.join(".pki/nssdb");
    std::fs::create_dir_all(&store).unwrap();
    let (store, file) = (store.display(), home.join("authority.crt").display().to_string());
    run(&format!("ip netns exec {space} curl -s -o {file} http://{DESK}:4722/authority.crt"));
    run(&format!("certutil -N --empty-password -d sql:{store} && certutil -A -n shop -t C,, -i {file} -d sql:{store}"));
    Browser::in_namespace(space, [&format!("10.78.{n}.2"), &format!("10.78.{n}.1")], home).await
}

async fn pair(browser: &Browser, at: &str, name: &str, code: &str) {
    browser.go(&format!("{at}/pair")).await;
    retype(&browser.find("[name=name]").await, name).await;
    retype(&browser.find("[name=code]").await, code).await;
    browser.touch("button").await;
}

async fn asks(browser: &Browser, method: &str, path: &str) -> Value {
    browser
        .script(&format!("return fetch('{path}', {{ method: '{method}', headers: {{ 'content-type': 'application/json' }} }}).then(a => a.status, () => 0)"))
        .await
}

#[tokio::main(flavor = "current_thread")]
async fn main() {
    let words: Vec<String> = std::env::args().collect();
    match &words[1..] {
        [what, at] if what == "hold" => return hold(at),
        [what] if what == "hears" => return hears(),
        _ => {}
    }
    let data = tempfile::tempdir().unwrap();
    let homes = tempfile::tempdir().unwrap();
    let mut floor = Floor::laid();
    let desk = Desk::at(&mut floor, data.path());
    let (one, two) = (floor.host("one", 11), floor.host("two", 12));
    floor.line(&one, 11);
    floor.line(&two, 12);
    let names = |at| [(desk.name.as_str(), at), ("rebound.example", DESK)];
    Floor::names(&one, &names(DESK));
    Floor::names(&two, &[]);
    strangers(&desk, &one, &two);

    // Let in, each by its own role; the first by the name, the second by a bare address.
    let [home_one, home_two] = [homes.path().join("one"), homes.path().join("two")];
    let (first, second) = (tablet(&one, 11, &home_one).await, tablet(&two, 12, &home_two).await);
    let (by_name, bare) = (format!("https://{}:4721", desk.name), format!("https://{DESK}:4721"));
    let code = desk.code("works");
    pair(&first, &by_name, "Tablet one", "1234 5678").await;
    first.wait_text("form", "That code is not the one").await;
    pair(&first, &by_name, "Tablet one", &code).await;
    first.find(".jobs li").await;
    pair(&second, &bare, "Tablet two", &code).await;
    second.wait_text("form", "That code").await;
    shown("a browser that trusts the authority takes its certificates, by name and by address; a wrong code and one used already let nobody in");
    pair(&second, &bare, "Tablet two", &desk.code("sees")).await;
    second.find(".jobs li").await;
    assert_eq!(asks(&first, "PUT", "/api/v1/kit").await, 403);
    assert_eq!(asks(&first, "GET", "/api/v1/door").await, 403);
    assert_eq!(asks(&second, "GET", "/api/v1/jobs").await, 200);
    assert_eq!(asks(&second, "POST", "/api/v1/jobs").await, 403);
    shown("each role does what it may, and no more");

    // A page of a foreign place, in the browser that was let in.
    second.go(&format!("{bare}/")).await;
    let foreign = format!("return fetch('{by_name}/api/v1/jobs', {{ credentials: 'include' }}).then(a => a.status, () => 0)");
    first.go(&format!("http://{DESK}:4722/")).await;
    assert_eq!(first.script(&foreign).await, 0);
    shown("a page of another origin in a browser that was let in is answered nothing");

    cable_cut(&floor, &desk, &first, &by_name).await;
    pace(&desk, &one, &home_one, &first).await;
    moves(&desk, &one, (&first, &second), &names(MOVED), &bare).await;

    // Put out by one touch.
    second.go(&format!("https://{MOVED}:4721/")).await;
    assert_eq!(asks(&second, "GET", "/api/v1/jobs").await, 200);
    let devices = desk.door()["devices"].clone();
    let out = devices.as_array().unwrap().iter().find(|d| d["name"] == "Tablet two again").unwrap()["id"].as_str().unwrap().to_owned();
    desk.curl(&format!("-X DELETE http://127.0.0.1:4720/api/v1/door/devices/{out}"));
    assert_eq!(asks(&second, "GET", "/api/v1/jobs").await, 401);
    assert_eq!(second.script("return caches.has('known')").await, false);
    shown("one put out is answered nothing more, and forgets what it knew");
    if proving() {
        let old = desk.code("works");
        std::thread::sleep(Duration::from_secs(601));
        pair(&second, &format!("https://{MOVED}:4721"), "Tablet late", &old).await;
        second.wait_text("form", "That code").await;
        shown("a code of ten minutes ago lets nobody in");
    }
    drop((first, second));
}

/// A run goes on through a cable that is cut, and through a cold start meanwhile.
async fn cable_cut(floor: &Floor, desk: &Desk, first: &Browser, at: &str) {
    first.go(&format!("{at}/")).await;
    first.comes_to("return Boolean(navigator.serviceWorker.controller)", true).await;
    assert_eq!(first.uninstallable().await, Vec::<String>::new());
    shown("it may be installed: manifest, icons and worker are as a browser wants them");
    first.go(&format!("{at}/jobs/{JOB}/at-the-lathe")).await;
    first.find(".setting").await;
    let before = desk.passes();
    first.one_pass().await;
    desk.waits(|d| d.passes() == before + 1);
    floor.cable("one", false);
    first.one_pass().await;
    first.wait_text(".lathe", "1 act is kept here").await;
    first.go("about:blank").await;
    first.go(&format!("{at}/jobs/{JOB}/at-the-lathe")).await;
    first.wait_text(".unanswered", "what is shown is as it was at").await;
    first.one_pass().await;
    first.wait_text(".lathe", "2 acts are kept here").await;
    assert_eq!(desk.passes(), before + 1);
    let back = Instant::now();
    floor.cable("one", true);
    desk.waits(|d| d.passes() == before + 3);
    println!(
        "held: a run through a cut cable and a cold start without it: both passes sent once, {:.1} s after it was plugged in",
        back.elapsed().as_secs_f64()
    );
    std::thread::sleep(Duration::from_secs(3));
    assert_eq!(desk.passes(), before + 3);
}

/// Acts durable from a tablet over TLS, beside those of the desk over loopback: one after another over a connection kept open, by turns.
async fn pace(desk: &Desk, one: &str, home: &Path, first: &Browser) {
    let token = first.page.get_named_cookie("__Host-yoke").await.unwrap().value;
    let trusted = home.join("authority.pem");
    let acts = |prefix: &str, at: &str| {
        let each = |i: usize| {
            let body = json!({"act": {"kind": "note", "text": format!("{prefix} {i}")}}).to_string();
            format!(
                "url = \"{at}/api/v1/jobs/{JOB}/acts/{prefix}-{i}\"\nrequest = PUT\nheader = \"content-type: application/json\"\ndata = {body:?}\nsilent\noutput = /dev/null\nwrite-out = \"%{{time_total}} %{{http_code}}\\n\"\ncookie = \"__Host-yoke={token}\"\ncacert = {trusted:?}\n"
            )
        };
        (0..40).map(each).collect::<Vec<_>>().join("next\n")
    };
    let ask = |space: &str, prefix: &str, at: &str| {
        let file = home.join("acts");
        std::fs::write(&file, acts(prefix, at)).unwrap();
        let told = run(&format!("ip netns exec {space} curl -K {}", file.display()));
        let mut times: Vec<f64> = told
            .lines()
            .map(|l| {
                let (s, code) = l.split_once(' ').unwrap();
                assert_eq!(code, "200");
                s.parse().unwrap()
            })
            .collect();
        times.remove(0);
        times.sort_by(f64::total_cmp);
        times[times.len() / 2] * 1e3
    };
    run(&format!("openssl x509 -inform der -in {0}/authority.crt -out {0}/authority.pem", home.display()));
    let (mut desk_ms, mut tablet_ms) = (Vec::new(), Vec::new());
    for round in 0..3 {
        desk_ms.push(ask(&desk.space, &format!("desk{round}"), "http://127.0.0.1:4720"));
        tablet_ms.push(ask(one, &format!("tablet{round}"), &format!("https://{}:4721", desk.name)));
    }
    let ratio = tablet_ms.iter().sum::<f64>() / desk_ms.iter().sum::<f64>();
    println!("held: an act durable over TLS from a tablet in {tablet_ms:.2?} ms, over loopback in {desk_ms:.2?} ms: {ratio:.2} times");
    assert!(ratio <= 1.5, "{ratio}");
}

/// The desk's address changes: who came by its name goes on; who came by the address pairs anew, and what waited there comes along as a file.
async fn moves(desk: &Desk, one: &str, (first, second): (&Browser, &Browser), names: &[(&str, &str)], bare: &str) {
    first.go(&format!("https://{}:4721/jobs/{JOB}/at-the-lathe", desk.name)).await;
    first.find(".setting").await;
    let before = desk.passes();
    run(&format!("ip -n {0} addr del {DESK}/24 dev eth0 && ip -n {0} addr add {MOVED}/24 dev eth0", desk.space));
    Floor::names(one, names);
    let moved = Instant::now();
    first.one_pass().await;
    desk.waits(|d| d.passes() == before + 1);
    println!("held: who came by the name goes on through a new address, unasked, after {} s", moved.elapsed().as_secs());
    second.go(&format!("https://{MOVED}:4721/pair")).await;
    let code = desk.code("works");
    pair(second, &format!("https://{MOVED}:4721"), "Tablet two again", &code).await;
    second.find(".jobs li").await;
    second.go(&format!("{bare}/")).await;
    second.wait_text(".unanswered", "The server does not answer").await;
    shown("who came by the address pairs anew, and its old page still stands, with what it knew");
}
