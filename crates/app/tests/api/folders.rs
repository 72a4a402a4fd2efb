//! The data folder: one server has it, nothing in it is written before it was looked at, and what is wrong with it is said with the way out.

use crate::common::{Server, proving, run};
use reqwest::{Method, StatusCode};
use serde_json::{Value, json};
use std::io::{Read, Write};
use std::path::{Path, PathBuf};
use std::process::{Command, Stdio};
use std::time::{Duration, Instant};

/// What a server that must not start says.
fn refused(folder: &Path, extra: &[&str]) -> String {
    let output = run(&[&["serve", "--port", "0"], extra].concat(), folder);
    assert!(!output.status.success());
    assert_eq!(output.stdout, b"", "no address is told");
    String::from_utf8(output.stderr).unwrap()
}

fn database(folder: &Path) -> PathBuf {
    folder.join("yoke-turn.db")
}

/// A folder with a demo shop in it, its server gone as it should.
fn shop() -> tempfile::TempDir {
    let folder = tempfile::tempdir().unwrap();
    stop(Server::start(folder.path(), &["--demo"]), "TERM");
    folder
}

fn signal(server: &Server, name: &str) {
    assert!(Command::new("kill").args([&format!("-{name}"), &server.child.id().to_string()]).status().unwrap().success());
}

/// Asks it to stop, and waits for its end; how long that took.
pub fn stop(mut server: Server, name: &str) -> Duration {
    let begun = Instant::now();
    signal(&server, name);
    server.child.wait().unwrap();
    begun.elapsed()
}

#[tokio::test]
async fn a_folder_has_one_server_and_the_second_is_told_where_the_first_is() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path(), &["--demo"]);
    let port = server.address.rsplit(':').next().unwrap().to_owned();
    let before = std::fs::metadata(database(folder.path())).unwrap().len();
    for extra in [&["--demo"][..], &["--demo", "--fresh"]] {
        let says = refused(folder.path(), extra);
        assert!(says.contains("Another server") && says.contains(&port), "{says}");
    }
    assert_eq!(std::fs::metadata(database(folder.path())).unwrap().len(), before);
    assert_eq!(server.get("/api/v1/jobs").await.0, StatusCode::OK);
    // Killed, it leaves the folder to the next.
    server.kill();
    Server::start(folder.path(), &["--demo"]);
}

/// Asked for its page, a second start shows the one that runs, in the browser the desk has chosen.
#[test]
fn a_second_start_asked_for_its_page_opens_the_firsts() {
    use std::os::unix::fs::PermissionsExt;
    let (folder, desk) = (tempfile::tempdir().unwrap(), tempfile::tempdir().unwrap());
    let (browser, asked) = (desk.path().join("xdg-open"), desk.path().join("asked"));
    std::fs::write(&browser, format!("#!/bin/sh\necho \"$1\" > {}\n", asked.display())).unwrap();
    std::fs::set_permissions(&browser, std::fs::Permissions::from_mode(0o755)).unwrap();
    let first = Server::start(folder.path(), &[]);
    let second =
        Command::new(env!("CARGO_BIN_EXE_yoke-turn")).args(["serve", "--open", "--data"]).arg(folder.path()).env("PATH", desk.path()).output().unwrap();
    assert!(second.status.success(), "{second:?}");
    let until = Instant::now() + Duration::from_secs(10);
    while std::fs::read_to_string(&asked).is_ok_and(|at| at.is_empty()) || !asked.exists() {
        assert!(Instant::now() < until, "no browser was asked: {second:?}");
        std::thread::sleep(Duration::from_millis(20));
    }
    assert_eq!(std::fs::read_to_string(&asked).unwrap().trim(), format!("{}/", first.address));
}

#[tokio::test]
async fn afresh_is_only_what_is_marked_as_the_demos_and_what_was_there_is_put_aside() {
    let folder = tempfile::tempdir().unwrap();
    {
        let server = Server::start(folder.path(), &["--demo"]);
        server.send(Method::PUT, "/api/v1/jobs/mill-bearing-stud/acts/n", json!({"act": {"kind": "note", "text": "kept"}}), &[]).await;
        server.kill();
    }
    stop(Server::start(folder.path(), &["--demo", "--fresh"]), "TERM");
    let aside = tempfile::tempdir().unwrap();
    for ending in ["", "-wal", "-shm"] {
        let from = folder.path().join(format!("before-fresh-1.db{ending}"));
        if from.exists() {
            std::fs::copy(&from, aside.path().join(format!("yoke-turn.db{ending}"))).unwrap();
        }
    }
    let server = Server::start(aside.path(), &["--demo"]);
    assert!(server.get("/api/v1/shop.json").await.1.to_string().contains("kept"), "acknowledged, it is in what was put aside");
    // A port that cannot be had: nothing is begun afresh.
    let taken = server.address.rsplit(':').next().unwrap().to_owned();
    let output = run(&["serve", "--demo", "--fresh", "--port", &taken], folder.path());
    assert!(String::from_utf8_lossy(&output.stderr).contains("cannot be had"), "{output:?}");
    assert!(database(folder.path()).exists() && !folder.path().join("before-fresh-2.db").exists());
    // A shop of one's own, started once by mistake with --demo, is no demo.
    let own = tempfile::tempdir().unwrap();
    let server = Server::start(own.path(), &[]);
    server.post("/api/v1/jobs", json!({"callout": "M20"})).await;
    server.kill();
    Server::start(own.path(), &["--demo"]).kill();
    let says = refused(own.path(), &["--demo", "--fresh"]);
    assert!(says.contains("not marked as the demo's") && says.contains("Nothing was changed"), "{says}");
    assert_eq!(Server::start(own.path(), &[]).get("/api/v1/jobs").await.1.as_array().unwrap().len(), 1);
}

#[tokio::test]
async fn nothing_is_acknowledged_into_a_folder_or_a_file_that_is_no_longer_there() {
    for gone in ["folder renamed", "folder removed", "database renamed", "database replaced"] {
        let top = tempfile::tempdir().unwrap();
        let folder = top.path().join("shop");
        let server = Server::start(&folder, &["--demo"]);
        let tell = async |id: &str| {
            let body = json!({"act": {"kind": "note", "text": id}});
            server.send(Method::PUT, &format!("/api/v1/jobs/mill-bearing-stud/acts/{id}"), body, &[]).await
        };
        assert_eq!(tell("before").await.0, StatusCode::OK);
        match gone {
            "folder renamed" => std::fs::rename(&folder, top.path().join("moved")).unwrap(),
            "folder removed" => std::fs::remove_dir_all(&folder).unwrap(),
            "database renamed" => std::fs::rename(database(&folder), folder.join("moved.db")).unwrap(),
            _ => {
                std::fs::rename(database(&folder), folder.join("moved.db")).unwrap();
                std::fs::write(database(&folder), b"another").unwrap();
            }
        }
        let (status, answer) = tell("after").await;
        assert_eq!((status, &answer["type"]), (StatusCode::INTERNAL_SERVER_ERROR, &json!("/problems/not-saved")), "{gone}: {answer}");
        assert!(answer["detail"].as_str().unwrap().contains("no longer where it was opened"), "{answer}");
        // Put back, it goes on, and the same sent again is kept once.
        match gone {
            "folder renamed" => std::fs::rename(top.path().join("moved"), &folder).unwrap(),
            "database renamed" => std::fs::rename(folder.join("moved.db"), database(&folder)).unwrap(),
            _ => continue,
        }
        assert_eq!(tell("after").await.0, StatusCode::OK, "{gone}");
        let (_, shop) = server.get("/api/v1/shop.json").await;
        assert_eq!(shop.to_string().matches("\"after\"").count(), 2, "its id and its text, once each");
    }
}

#[test]
fn a_file_that_will_not_do_is_left_as_it_was_and_the_way_out_is_said() {
    let good = {
        let folder = shop();
        std::fs::read(database(folder.path())).unwrap()
    };
    let changed = |sql: &str| {
        let folder = tempfile::tempdir().unwrap();
        std::fs::write(database(folder.path()), &good).unwrap();
        let connection = rusqlite::Connection::open(database(folder.path())).unwrap();
        connection.execute_batch(&format!("PRAGMA journal_mode = DELETE; {sql}")).unwrap();
        drop(connection);
        std::fs::read(database(folder.path())).unwrap()
    };
    let foreign = {
        let folder = tempfile::tempdir().unwrap();
        let path = folder.path().join("other.db");
        rusqlite::Connection::open(&path).unwrap().execute_batch("CREATE TABLE recipes (x); PRAGMA user_version = 3").unwrap();
        std::fs::read(path).unwrap()
    };
    let page = usize::from(u16::from_be_bytes([good[16], good[17]]));
    let torn = |from: usize, to: usize| {
        let mut bytes = good.clone();
        bytes[from..to].fill(0xA5);
        bytes
    };
    let cases: [(&str, Vec<u8>, &str); 9] = [
        ("empty", Vec::new(), "is empty"),
        ("text", b"jobs: none".to_vec(), "is not a database"),
        ("header", torn(0, 100), "is not a database"),
        ("first page", torn(100, page), "is damaged"),
        ("a page", torn(3 * page, 5 * page), "is damaged"),
        ("cut short", good[..good.len() / 2].to_vec(), "is damaged"),
        ("foreign", foreign, "of another program"),
        ("another's mark", changed("PRAGMA application_id = 7"), "of another program"),
        ("newer", changed("PRAGMA user_version = 99"), "written by a newer version"),
    ];
    for (name, bytes, why) in &cases {
        for copies in [false, true] {
            let folder = tempfile::tempdir().unwrap();
            std::fs::write(database(folder.path()), bytes).unwrap();
            if copies {
                std::fs::create_dir(folder.path().join("copies")).unwrap();
                std::fs::write(folder.path().join("copies/yoke-turn-2026-11-20.db"), &good).unwrap();
                std::fs::write(folder.path().join("copies/yoke-turn-2026-11-21.db"), b"no copy").unwrap();
            }
            let says = refused(folder.path(), &[]);
            assert!(says.contains(why) && says.contains("left as it was"), "{name}: {says}");
            assert_eq!(&std::fs::read(database(folder.path())).unwrap(), bytes, "{name}");
            if copies && *name != "newer" {
                assert!(says.contains("yoke-turn-2026-11-20.db") && says.contains("yoke-turn restore"), "{name}: {says}");
            } else if *name != "newer" {
                assert!(says.contains("no sound copy"), "{name}: {says}");
            }
            println!("{name}{}: {}", if copies { ", copies beside it" } else { "" }, says.trim().replace(&folder.path().display().to_string(), "DIR"));
        }
    }
    // Gone, or emptied, with copies beside it: never a new shop without a word; and the way said leads back.
    let folder = tempfile::tempdir().unwrap();
    std::fs::create_dir(folder.path().join("copies")).unwrap();
    std::fs::write(folder.path().join("copies/yoke-turn-2026-11-20.db"), &good).unwrap();
    let says = refused(folder.path(), &[]);
    assert!(says.contains("is gone") && says.contains("yoke-turn restore"), "{says}");
    println!("gone, copies beside it: {}", says.trim().replace(&folder.path().display().to_string(), "DIR"));
    assert!(!database(folder.path()).exists());
    let copy = folder.path().join("copies/yoke-turn-2026-11-20.db");
    let output = run(&["restore", copy.to_str().unwrap()], folder.path());
    assert!(output.status.success(), "{output:?}");
    stop(Server::start(folder.path(), &[]), "TERM");
    // Each restore keeps what was before it, under a name of its own.
    assert!(run(&["restore", copy.to_str().unwrap()], folder.path()).status.success());
    assert!(folder.path().join("before-restore.db").exists() && folder.path().join("before-restore-2.db").exists());
}

#[tokio::test]
async fn a_copy_is_read_by_the_same_types_as_a_request() {
    let folder = shop();
    let good = folder.path().join("good.db");
    assert!(run(&["backup", good.to_str().unwrap()], folder.path()).status.success());
    let hostile = [
        ("UPDATE jobs SET title = 'a' || char(10) || 'b' WHERE id = 'mill-bearing-stud'", "/title"),
        ("UPDATE acts SET body = '{\"kind\":\"pass_done\",\"n\":1,\"radial_mm\":1e9}'", "/radial_mm"),
        ("UPDATE acts SET body = '{\"kind\":\"erased\"}'", "/act"),
        ("UPDATE acts SET id = '../../x' WHERE sequence = 1", "/id"),
        ("UPDATE acts SET recorded = 'yesterday' WHERE sequence = 1", "/recorded"),
        ("UPDATE kit SET body = '{\"wires_mm\":7}'", "/kit"),
        ("UPDATE lathes SET body = '[]'", "/lathes/0/body"),
        ("UPDATE jobs SET request = '{\"thread\":{\"callout\":5}}' WHERE id = 'mill-bearing-stud'", "/request"),
        (
            "INSERT INTO photos VALUES ('mill-bearing-stud', 'p', 'text/html', '2026-05-04T09:00:00Z', '', CAST('<script>alert(1)</script>' AS BLOB))",
            "no JPEG or PNG",
        ),
        ("INSERT INTO photos VALUES ('mill-bearing-stud', 'p', 'image/svg+xml', '2026-05-04T09:00:00Z', '', X'FFD8FFE0')", "no JPEG or PNG"),
    ];
    let there = shop();
    let before = std::fs::read(database(there.path())).unwrap();
    for (i, (sql, why)) in hostile.iter().enumerate() {
        let bad = folder.path().join(format!("bad-{i}.db"));
        std::fs::copy(&good, &bad).unwrap();
        rusqlite::Connection::open(&bad).unwrap().execute_batch(&format!("PRAGMA foreign_keys = OFF; {sql}")).unwrap();
        let output = run(&["restore", bad.to_str().unwrap()], there.path());
        let says = String::from_utf8(output.stderr).unwrap();
        assert!(!output.status.success() && says.contains(why), "{sql}: {says}");
        assert_eq!(std::fs::read(database(there.path())).unwrap(), before, "{sql}");
    }
    // One that came in before there was this check is handed over to be saved, and never shown.
    let connection = rusqlite::Connection::open(database(there.path())).unwrap();
    connection.execute_batch(hostile[8].0).unwrap();
    drop(connection);
    let server = Server::start(there.path(), &[]);
    let shown = server.client.get(format!("{}/api/v1/jobs/mill-bearing-stud/photos/p", server.address)).send().await.unwrap();
    let header = |name: &str| shown.headers().get(name).unwrap().to_str().unwrap().to_owned();
    assert_eq!(header("content-type"), "application/octet-stream");
    assert!(header("content-disposition").starts_with("attachment") && header("x-content-type-options") == "nosniff");
}

#[tokio::test]
async fn what_was_typed_is_never_a_formula_in_a_sheet() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path(), &["--demo"]);
    for (i, text) in ["=1+2", "+cmd", "-cmd", "@x", "\tx"].iter().enumerate() {
        let act = json!({"act": {"kind": "note", "text": text}, "source": "=device"});
        let (status, _) = server.send(Method::PUT, &format!("/api/v1/jobs/footbridge-tie-rod/acts/f{i}"), act, &[]).await;
        assert_eq!(status, StatusCode::OK);
    }
    let sheet = server.client.get(format!("{}/api/v1/jobs/footbridge-tie-rod/log.csv", server.address)).send().await.unwrap().text().await.unwrap();
    assert!(sheet.contains("'=device"), "{sheet}");
    let mut depths = 0;
    for line in sheet.lines().skip(1) {
        for cell in line.split(',').map(|c| c.trim_matches('"')) {
            assert!(!cell.starts_with(['=', '+', '-', '@', '\t']) || cell.parse::<f64>().is_ok(), "{line}");
            depths += usize::from(cell.parse::<f64>().is_ok());
        }
    }
    assert!(depths > 8, "numbers stay numbers");
}

#[test]
fn it_ends_when_asked_even_with_half_a_request_under_way_and_at_once_when_asked_again() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path(), &["--demo"]);
    let mut half = std::net::TcpStream::connect(server.address.trim_start_matches("http://")).unwrap();
    write!(half, "PUT /api/v1/jobs/x/acts/y HTTP/1.1\r\nHost: {}\r\nContent-Length: 900\r\n\r\n{{", server.address.trim_start_matches("http://")).unwrap();
    std::thread::sleep(Duration::from_millis(200));
    assert!(stop(server, "TERM") < Duration::from_secs(8));
    let mut rest = String::new();
    let _ = half.read_to_string(&mut rest);
    let server = Server::start(folder.path(), &["--demo"]);
    let mut half = std::net::TcpStream::connect(server.address.trim_start_matches("http://")).unwrap();
    write!(half, "GET / HTTP/1.1\r\n").unwrap();
    let mut body = std::net::TcpStream::connect(server.address.trim_start_matches("http://")).unwrap();
    write!(body, "PUT /api/v1/kit HTTP/1.1\r\nHost: {}\r\nContent-Length: 9\r\n\r\n{{", server.address.trim_start_matches("http://")).unwrap();
    std::thread::sleep(Duration::from_millis(200));
    signal(&server, "TERM");
    std::thread::sleep(Duration::from_millis(300));
    assert!(stop(server, "TERM") < Duration::from_secs(2));
}

#[tokio::test]
async fn what_was_last_written_and_is_gone_is_said() {
    let folder = shop();
    let mark = folder.path().join("yoke-turn.db-open");
    let wal = folder.path().join("yoke-turn.db-wal");
    // What a server says as it starts, and is then killed.
    let said = || {
        let mut command = Command::new(env!("CARGO_BIN_EXE_yoke-turn"));
        let command = command.args(["--demo", "--port", "0", "--data"]).arg(folder.path()).stdout(Stdio::piped()).stderr(Stdio::piped());
        let mut child = command.spawn().unwrap();
        std::io::BufRead::read_line(&mut std::io::BufReader::new(child.stdout.as_mut().unwrap()), &mut String::new()).unwrap();
        child.kill().unwrap();
        let mut says = String::new();
        child.stderr.take().unwrap().read_to_string(&mut says).unwrap();
        child.wait().unwrap();
        says
    };
    // Closed as it should be, and killed with its file beside it, there is nothing to say.
    assert!(!mark.exists());
    for _ in 0..2 {
        let says = said();
        assert!(!says.contains("may be missing") && mark.exists() && wal.exists(), "{says}");
    }
    std::fs::remove_file(&wal).unwrap();
    let says = said();
    assert!(says.contains("passes told last may be missing") && says.contains("Look at the log"), "{says}");
    // It is said to whoever works from it, and again after that server is gone too, until it was read.
    let lost = "/api/v1/notices/writes_lost";
    for _ in 0..2 {
        let server = Server::start(folder.path(), &["--demo"]);
        let (_, told) = server.get("/api/v1/notices").await;
        assert!(told[0]["code"] == "writes_lost" && told[0]["says"].as_str().unwrap().contains("Look at the log"), "{told}");
        server.kill();
    }
    let server = Server::start(folder.path(), &["--demo"]);
    assert_eq!(server.send(Method::DELETE, "/api/v1/notices/noise", Value::Null, &[]).await.0.as_u16() / 100, 4);
    for _ in 0..2 {
        assert_eq!(server.send(Method::DELETE, lost, Value::Null, &[]).await.0, StatusCode::NO_CONTENT);
    }
    assert_eq!(server.get("/api/v1/notices").await.1, json!([]));
    stop(server, "TERM");
    assert!(!mark.exists() && !wal.exists());
}

#[tokio::test]
async fn a_day_without_its_copy_is_said_on_the_page() {
    let folder = shop();
    std::fs::remove_dir_all(folder.path().join("copies")).unwrap();
    std::fs::write(folder.path().join("copies"), "no folder").unwrap();
    let server = Server::start(folder.path(), &["--demo"]);
    for _ in 0..50 {
        let (_, told) = server.get("/api/v1/notices").await;
        if let Some(says) = told[0]["says"].as_str() {
            assert!(told[0]["code"] == "no_copy" && says.contains("copy of the shop was not made"), "{told}");
            return;
        }
        tokio::time::sleep(Duration::from_millis(100)).await;
    }
    panic!("nothing was said of the copy that could not be made");
}

/// Whoever begins a request and never ends it holds nothing up: a head is waited for 15 s, a body 20. By `prove`, for it waits.
#[test]
fn half_a_head_and_half_a_body_are_not_waited_for() {
    if !proving() {
        return;
    }
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path(), &["--demo"]);
    let host = server.address.trim_start_matches("http://").to_owned();
    let sent = |text: String, most: u64| {
        let host = host.clone();
        std::thread::spawn(move || {
            let mut half = std::net::TcpStream::connect(&host).unwrap();
            half.set_read_timeout(Some(Duration::from_secs(40))).unwrap();
            half.write_all(text.as_bytes()).unwrap();
            let begun = Instant::now();
            let mut answer = String::new();
            let _ = half.read_to_string(&mut answer);
            assert!(begun.elapsed() < Duration::from_secs(most), "{:?}", begun.elapsed());
            answer
        })
    };
    let head = sent("GET / HTTP/1.1\r\n".into(), 20);
    let body = sent(format!("PUT /api/v1/kit HTTP/1.1\r\nHost: {host}\r\nContent-Type: application/json\r\nContent-Length: 9\r\n\r\n{{"), 28);
    // Meanwhile the others are served.
    let begun = Instant::now();
    let whole = sent(format!("GET /healthz HTTP/1.1\r\nHost: {host}\r\nConnection: close\r\n\r\n"), 5).join().unwrap();
    assert!(whole.starts_with("HTTP/1.1 200") && begun.elapsed() < Duration::from_secs(5), "{whole}");
    head.join().unwrap();
    let answer = body.join().unwrap();
    assert!(answer.starts_with("HTTP/1.1 4") && answer.contains("problem+json"), "{answer}");
}
