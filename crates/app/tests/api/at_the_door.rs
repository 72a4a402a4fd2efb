//! The door to the shop's network, as devices come to it: over TLS under the shop's own authority, let in by a code, each in its role.

use crate::common::Server;
use reqwest::redirect::Policy;
use reqwest::{Certificate, Client, Method, StatusCode};
use serde_json::{Value, json};
use std::time::{Duration, Instant};
use yoke_server::{Pairing, Told};

const OPEN: [&str; 6] = ["--shop", "--shop-port", "0", "--trust-port", "0", "--no-announce"];

/// The server, its door open, and where that is.
struct Shop {
    desk: Server,
    address: String,
    trust: String,
    authority: Certificate,
}

/// One that comes to it.
struct Device {
    client: Client,
    address: String,
    cookie: String,
}

impl Shop {
    async fn open(folder: &std::path::Path) -> Self {
        let desk = Server::start(folder, &[&OPEN[..], &["--demo"]].concat());
        let (_, door) = desk.get("/api/v1/door").await;
        let port = |address: &str| address.trim_end_matches('/').rsplit(':').next().unwrap().to_owned();
        let trust = format!("http://127.0.0.1:{}", port(door["trust"]["at"].as_str().unwrap()));
        let der = reqwest::get(format!("{trust}/authority.crt")).await.unwrap().bytes().await.unwrap();
        let address = format!("https://127.0.0.1:{}", port(door["addresses"][0].as_str().unwrap()));
        Self { desk, address, trust, authority: Certificate::from_der(&der).unwrap() }
    }

    fn comes(&self) -> Device {
        let client = Client::builder().tls_built_in_root_certs(false).add_root_certificate(self.authority.clone()).redirect(Policy::none()).build().unwrap();
        Device { client, address: self.address.clone(), cookie: String::new() }
    }

    async fn code(&self, role: &str) -> String {
        let (status, door) = self.desk.post("/api/v1/door/code", json!({ "role": role })).await;
        assert_eq!(status, StatusCode::OK, "{door}");
        door["code"]["code"].as_str().unwrap().to_owned()
    }

    async fn let_in(&self, name: &str, role: &str) -> Device {
        let mut device = self.comes();
        assert_eq!(device.tells(&self.code(role).await, name).await, StatusCode::SEE_OTHER);
        device
    }
}

impl Device {
    async fn tells(&mut self, code: &str, name: &str) -> StatusCode {
        let sent = self.client.post(format!("{}/pair", self.address)).form(&[("code", code), ("name", name)]).send().await.unwrap();
        if let Some(cookie) = sent.headers().get("set-cookie") {
            let cookie = cookie.to_str().unwrap();
            assert!(["__Host-yoke=", "Path=/", "Secure", "HttpOnly", "SameSite=Strict"].iter().all(|part| cookie.contains(part)), "{cookie}");
            self.cookie = cookie.split(';').next().unwrap().to_owned();
        }
        sent.status()
    }

    async fn asks(&self, method: Method, path: &str, body: Option<Value>, headers: &[(&str, &str)]) -> (StatusCode, String) {
        let mut request = self.client.request(method, format!("{}{path}", self.address)).header("cookie", &self.cookie);
        for (name, value) in headers {
            request = request.header(*name, *value);
        }
        if let Some(body) = body {
            request = request.json(&body);
        }
        let sent = request.send().await.unwrap();
        (sent.status(), sent.text().await.unwrap())
    }

    async fn sees(&self, path: &str) -> StatusCode {
        self.asks(Method::GET, path, None, &[]).await.0
    }
}

/// Every route there is, by every method it has, a value put in for each of its parts.
fn routes() -> Vec<(Method, String)> {
    let api: Value = serde_json::from_str(include_str!("../../../../web/openapi.json")).unwrap();
    let mut all = Vec::new();
    for (path, operations) in api["paths"].as_object().unwrap() {
        let part = |path: String, (at, end): (usize, usize)| format!("{}footbridge-tie-rod{}", &path[..at], &path[end + 1..]);
        let mut path = path.clone();
        while let (Some(at), Some(end)) = (path.find('{'), path.find('}')) {
            path = part(path, (at, end));
        }
        let methods = [("get", Method::GET), ("put", Method::PUT), ("post", Method::POST), ("delete", Method::DELETE), ("patch", Method::PATCH)];
        all.extend(methods.into_iter().filter(|(name, _)| operations.get(name).is_some()).map(|(_, method)| (method, path.clone())));
    }
    all
}

#[tokio::test]
async fn who_was_not_let_in_gets_nothing_of_the_app() {
    let folder = tempfile::tempdir().unwrap();
    let shop = Shop::open(folder.path()).await;
    let stranger = shop.comes();
    let routes = routes();
    assert!(routes.len() > 90, "{}", routes.len());
    let files =
        ["/healthz", "/index.html", "/assets/index.js", "/mark.svg", "/jobs/footbridge-tie-rod/cut", "/sw.js"].map(|path| (Method::GET, path.to_owned()));
    for (method, path) in routes.into_iter().chain(files) {
        for cookie in ["", "__Host-yoke=", "__Host-yoke=0000", "other=1"] {
            let (status, said) = stranger.asks(method.clone(), &path, None, &[("cookie", cookie)]).await;
            assert_eq!(status, StatusCode::UNAUTHORIZED, "{method} {path}: {said}");
            assert!(said.contains("/problems/not-paired") && said.len() < 400, "{method} {path}: {said}");
        }
    }
    // The page is one to tell a code on; a code in its address stands in its field, and nothing else of it is taken.
    let page = [("accept", "text/html")];
    assert_eq!(stranger.asks(Method::GET, "/", None, &page).await.0, StatusCode::SEE_OTHER);
    let (status, said) = stranger.asks(Method::GET, "/pair?code=1234%22%3E%3Cscript%3E", None, &page).await;
    assert!(status == StatusCode::OK && !said.contains("<script") && said.contains("&quot;&gt;") && !said.contains("Alder"), "{said}");
    // Another name for this machine, a foreign page, and plain HTTP come to nothing.
    for (headers, says) in
        [(("host", "evil.example"), "to no other"), (("origin", "https://evil.example"), "other sites"), (("sec-fetch-site", "cross-site"), "other sites")]
    {
        let (status, said) = stranger.asks(Method::GET, "/pair", None, &[headers]).await;
        assert!(status == StatusCode::FORBIDDEN && said.contains(says), "{headers:?}: {status} {said}");
    }
    let plain = stranger.client.get(shop.address.replace("https", "http")).send().await;
    assert!(plain.is_err(), "{plain:?}");
    // Who does not trust the authority is not served; the plain port gives the authority and nothing else.
    assert!(reqwest::get(format!("{}/pair", shop.address)).await.is_err());
    let trust = reqwest::get(&shop.trust).await.unwrap().text().await.unwrap();
    let (_, door) = shop.desk.get("/api/v1/door").await;
    assert!(trust.contains(door["fingerprint"].as_str().unwrap()), "{trust}");
    for path in ["/api/v1/jobs", "/pair", "/index.html", "/healthz"] {
        assert_eq!(reqwest::get(format!("{}{path}", shop.trust)).await.unwrap().status(), StatusCode::NOT_FOUND, "{path}");
    }
    // Neither is the desk's own door one for telling codes.
    assert_eq!(shop.desk.get("/pair").await.0, StatusCode::NOT_FOUND);
}

#[tokio::test]
async fn a_code_lets_in_once_and_each_does_what_its_role_lets_it() {
    let folder = tempfile::tempdir().unwrap();
    let shop = Shop::open(folder.path()).await;
    let code = shop.code("works").await;
    let mut tablet = shop.comes();
    assert_eq!(tablet.tells(&code, "").await, StatusCode::UNPROCESSABLE_ENTITY);
    assert_eq!(tablet.tells(&code.replace(' ', ""), "Tablet at the Long bed").await, StatusCode::SEE_OTHER);
    assert_eq!(shop.comes().tells(&code, "Another").await, StatusCode::FORBIDDEN, "good once");
    let sees = shop.let_in("Wall", "sees").await;
    let all = shop.let_in("Laptop", "everything").await;
    for device in [&tablet, &sees, &all] {
        assert_eq!(device.sees("/api/v1/jobs").await, StatusCode::OK);
        assert_eq!(device.asks(Method::POST, "/api/v1/callout", Some(json!({"text": "M20"})), &[]).await.0, StatusCode::OK);
        // The door itself is the desk's.
        for (method, path) in [(Method::GET, "/api/v1/door"), (Method::POST, "/api/v1/door/code"), (Method::DELETE, "/api/v1/door/devices/x")] {
            assert_eq!(device.asks(method, path, None, &[]).await.0, StatusCode::FORBIDDEN);
        }
    }
    // Nothing is changed by who only sees; work at the lathe is a job's; the shop is everything's.
    let pass = json!({"act": {"kind": "note", "text": "from the tablet"}, "happened": "2026-11-29T10:00:00.000Z"});
    let act = "/api/v1/jobs/paddle-screw-and-nut/acts/00000000-0000-4000-8000-000000000001";
    let words = json!({"american": true});
    for (method, path) in routes() {
        // What it may see is asked for below; a stream has no end.
        if method == Method::GET && !path.starts_with("/api/v1/door") {
            continue;
        }
        let (status, _) = sees.asks(method.clone(), &path, Some(json!({"no": 1})), &[]).await;
        let asks = method == Method::GET
            || matches!(
                path.as_str(),
                "/api/v1/plan" | "/api/v1/callout" | "/api/v1/gauge" | "/api/v1/identify" | "/api/v1/length" | "/api/v1/scratch" | "/api/v1/instruments/point"
            )
            || path.ends_with("own-figure")
            || (method == Method::POST && path == "/api/v1/day");
        if !asks || path.starts_with("/api/v1/door") {
            assert_eq!(status, StatusCode::FORBIDDEN, "{method} {path}");
        }
    }
    assert_eq!(sees.asks(Method::PUT, act, Some(pass.clone()), &[]).await.0, StatusCode::FORBIDDEN);
    let (status, said) = tablet.asks(Method::PUT, act, Some(pass), &[]).await;
    assert!(status.is_success(), "{status} {said}");
    for (method, path) in
        [(Method::PUT, "/api/v1/kit"), (Method::DELETE, "/api/v1/lathes/long-bed"), (Method::POST, "/api/v1/shop.json"), (Method::PUT, "/api/v1/words")]
    {
        assert_eq!(tablet.asks(method, path, Some(words.clone()), &[]).await.0, StatusCode::FORBIDDEN, "{path}");
    }
    assert_ne!(all.asks(Method::PUT, "/api/v1/kit", Some(words), &[]).await.0, StatusCode::FORBIDDEN);
    // A foreign page in the tablet's own browser, cookie or not.
    for headers in [("origin", "https://evil.example"), ("sec-fetch-site", "cross-site")] {
        assert_eq!(tablet.asks(Method::GET, "/api/v1/jobs", None, &[headers]).await.0, StatusCode::FORBIDDEN);
    }
    // It is known at the desk, called otherwise there, and put out: at once, its stream with it.
    let (_, door) = shop.desk.get("/api/v1/door").await;
    let of = |name: &str| door["devices"].as_array().unwrap().iter().find(|d| d["name"] == name).unwrap()["id"].as_str().unwrap().to_owned();
    let at = format!("/api/v1/door/devices/{}", of("Tablet at the Long bed"));
    let (_, renamed) = shop.desk.send(Method::PUT, &at, json!({"name": "Long bed", "role": "sees"}), &[]).await;
    assert!(renamed["devices"].as_array().unwrap().iter().any(|d| d["name"] == "Long bed" && d["role"] == "sees"), "{renamed}");
    assert_eq!(tablet.asks(Method::PUT, act, Some(json!({})), &[]).await.0, StatusCode::FORBIDDEN);
    let mut stream = tablet.client.get(format!("{}/api/v1/events", tablet.address)).header("cookie", &tablet.cookie).send().await.unwrap();
    assert_eq!(stream.status(), StatusCode::OK);
    assert_eq!(shop.desk.send(Method::DELETE, &at, Value::Null, &[]).await.0, StatusCode::NO_CONTENT);
    let ended = tokio::time::timeout(Duration::from_secs(5), async { while let Ok(Some(_)) = stream.chunk().await {} }).await;
    assert!(ended.is_ok(), "its stream goes on");
    assert_eq!(tablet.sees("/api/v1/jobs").await, StatusCode::UNAUTHORIZED);
    assert_eq!(sees.sees("/api/v1/jobs").await, StatusCode::OK, "nobody else is");
    // Started again, the devices are known, under the same authority; nothing of them goes out with the shop.
    let (_, shop_file) = shop.desk.get("/api/v1/shop.json").await;
    assert!(!shop_file.to_string().contains("Wall"));
    let fingerprint = door["fingerprint"].clone();
    for file in ["authority.key", "devices.json"] {
        let mode = std::os::unix::fs::PermissionsExt::mode(&std::fs::metadata(folder.path().join(file)).unwrap().permissions());
        assert_eq!(mode & 0o777, 0o600, "{file}");
    }
    assert!(!std::fs::read_to_string(folder.path().join("devices.json")).unwrap().contains(sees.cookie.split('=').nth(1).unwrap()));
    let cookie = sees.cookie.clone();
    shop.desk.kill();
    let again = Shop::open(folder.path()).await;
    assert_eq!(again.desk.get("/api/v1/door").await.1["fingerprint"], fingerprint);
    let mut back = again.comes();
    back.cookie = cookie;
    assert_eq!(back.sees("/api/v1/jobs").await, StatusCode::OK);
    // Shut at the desk, nobody is answered; the desk is.
    assert_eq!(again.desk.send(Method::PUT, "/api/v1/door", json!({"open": false}), &[]).await.0, StatusCode::OK);
    tokio::time::sleep(Duration::from_millis(200)).await;
    assert!(again.comes().client.get(format!("{}/pair", again.address)).send().await.is_err());
    assert_eq!(again.desk.get("/api/v1/jobs").await.0, StatusCode::OK);
}

#[tokio::test]
async fn wrong_codes_are_slowed_and_ten_shut_the_door() {
    let folder = tempfile::tempdir().unwrap();
    let shop = Shop::open(folder.path()).await;
    let code = shop.code("everything").await;
    let began = Instant::now();
    let wrong = shop.comes().client.post(format!("{}/pair", shop.address)).form(&[("code", "0000 0000"), ("name", "Guess")]).send().await.unwrap();
    assert_eq!(wrong.status(), StatusCode::FORBIDDEN);
    // The page again, its name kept.
    let said = wrong.text().await.unwrap();
    assert!(said.starts_with("<!doctype html>") && said.contains("value=\"Guess\""), "{said}");
    assert!(began.elapsed() >= Duration::from_millis(450));
    let guesses = (0..9).map(|i| {
        let mut device = shop.comes();
        tokio::spawn(async move { device.tells(&format!("1111 111{i}"), "Guess").await })
    });
    let guesses: Vec<_> = guesses.collect();
    let mut shut = 0;
    for guess in guesses {
        shut += usize::from(guess.await.unwrap() == StatusCode::TOO_MANY_REQUESTS);
    }
    assert_eq!(shut, 1, "the tenth shuts it");
    // Even the right one, now; the desk says so, and a new code opens it.
    assert_eq!(shop.comes().tells(&code, "Late").await, StatusCode::TOO_MANY_REQUESTS);
    let (_, door) = shop.desk.get("/api/v1/door").await;
    assert!(door["shut_min"].as_u64().unwrap() >= 59 && door.get("code").is_none(), "{door}");
    shop.let_in("In time", "sees").await;
}

#[test]
fn a_code_is_good_once_and_for_ten_minutes() {
    let began = Instant::now();
    let after = |s: u64| began + Duration::from_secs(s);
    let mut pairing = Pairing::default();
    let code = pairing.give('a', 7, began);
    assert_eq!(code, "00000007");
    assert_eq!(pairing.told("0000-0007", after(599)), Told::Right('a'));
    assert!(matches!(pairing.told(&code, after(599)), Told::Wrong(_)), "good once");
    let code = pairing.give('b', 123_456_789_012, began);
    assert_eq!((code.as_str(), pairing.good(after(10)).unwrap().1), ("56789012", Duration::from_secs(590)));
    assert!(matches!(pairing.told(&code, after(600)), Told::Wrong(_)), "ten minutes");
    let older = pairing.give('c', 1, after(600));
    pairing.give('d', 2, after(601));
    assert!(matches!(pairing.told(&older, after(602)), Told::Wrong(_)), "a newer one took its place");
    // Slowed twice as long each time, up to eight seconds; the tenth shuts it for an hour.
    let mut pairing = Pairing::<char>::default();
    let waits: Vec<_> = (0..9).map(|_| pairing.told("x", began)).collect();
    let wanted = [500, 1000, 2000, 4000, 8000, 8000, 8000, 8000, 8000].map(|ms| Told::Wrong(Duration::from_millis(ms)));
    assert_eq!(waits, wanted);
    assert_eq!(pairing.told("x", began), Told::Shut);
    let code = pairing.give('e', 3, after(10));
    assert_eq!(pairing.told(&code, after(3599)), Told::Shut);
    let code = pairing.give('f', 4, after(3590));
    assert_eq!(pairing.told(&code, after(3601)), Told::Right('f'), "an hour later");
}

#[tokio::test]
async fn an_authority_that_does_not_read_is_said_and_never_made_anew() {
    let folder = tempfile::tempdir().unwrap();
    std::fs::write(folder.path().join("authority.key"), "not a key").unwrap();
    let server = Server::start(folder.path(), &["--demo", "--shop-port", "0", "--trust-port", "0", "--no-announce"]);
    let (status, problem) = server.send(Method::PUT, "/api/v1/door", json!({"open": true}), &[]).await;
    assert!(status == StatusCode::UNPROCESSABLE_ENTITY && problem["detail"].as_str().unwrap().contains("authority"), "{problem}");
    assert_eq!(std::fs::read_to_string(folder.path().join("authority.key")).unwrap(), "not a key");
    let (status, problem) = server.post("/api/v1/door/code", json!({})).await;
    assert!(status == StatusCode::UNPROCESSABLE_ENTITY && problem["detail"].as_str().unwrap().contains("shut"), "{problem}");
}

/// Devices that do not read shut the door and no more: the desk has its app, nobody is let in on a guess, and nothing is written over them.
#[tokio::test]
async fn devices_that_do_not_read_shut_the_door_and_no_more() {
    let folder = tempfile::tempdir().unwrap();
    let shop = Shop::open(folder.path()).await;
    let tablet = shop.let_in("Tablet at the Long bed", "works").await;
    assert_eq!(shop.desk.send(Method::PUT, "/api/v1/door", json!({"open": true}), &[]).await.0, StatusCode::OK);
    shop.desk.kill();
    let file = folder.path().join("devices.json");
    let sound = std::fs::read_to_string(&file).unwrap();
    for spoilt in ["", "[", r#"{"open": "yes"}"#, r#"{"open": true, "devices": [{"id": "x"}]}"#] {
        std::fs::write(&file, spoilt).unwrap();
        let desk = Server::start(folder.path(), &["--demo", "--shop-port", "0", "--trust-port", "0", "--no-announce"]);
        assert_eq!(desk.get("/api/v1/jobs").await.0, StatusCode::OK, "{spoilt}");
        let said = async {
            while !desk.get("/api/v1/notices").await.1.to_string().contains("devices.json") {
                tokio::time::sleep(Duration::from_millis(20)).await;
            }
        };
        assert!(tokio::time::timeout(Duration::from_secs(10), said).await.is_ok(), "{spoilt}: {}", desk.get("/api/v1/notices").await.1);
        let (_, door) = desk.get("/api/v1/door").await;
        assert!(door["open"] == false && door["devices"] == json!([]), "{spoilt}: {door}");
        for (method, path, body) in [(Method::PUT, "/api/v1/door", json!({"open": true})), (Method::POST, "/api/v1/door/code", json!({}))] {
            assert_eq!(desk.send(method, path, body, &[]).await.0, StatusCode::UNPROCESSABLE_ENTITY, "{spoilt}");
        }
        assert_eq!(std::fs::read_to_string(&file).unwrap(), spoilt);
        // Mended, it is opened without a start, and whoever was let in is.
        std::fs::write(&file, &sound).unwrap();
        let (status, door) = desk.send(Method::PUT, "/api/v1/door", json!({"open": true}), &[]).await;
        assert_eq!(status, StatusCode::OK, "{door}");
        let port = door["addresses"][0].as_str().unwrap().trim_end_matches('/').rsplit(':').next().unwrap();
        let back = tablet.client.get(format!("https://127.0.0.1:{port}/api/v1/jobs")).header("cookie", &tablet.cookie).send().await.unwrap();
        assert_eq!(back.status(), StatusCode::OK, "{spoilt}");
        assert_eq!(desk.get("/api/v1/notices").await.1, json!([]), "said no longer");
        desk.kill();
    }
}
