//! The unit and the words are asked with the request: of a job, of one begun, of a refusal, on the command line, and of the whole shop.

use crate::common::Server;
use reqwest::Method;
use serde_json::{Value, json};
use std::io::Write;
use std::process::{Command, Stdio};

/// Every sentence under these keys, whatever stands between.
fn said(node: &Value, keys: &[&str], out: &mut Vec<String>) {
    match node {
        Value::Object(map) => {
            for (key, value) in map {
                match value.as_str() {
                    Some(text) if keys.contains(&key.as_str()) => out.push(text.to_owned()),
                    _ => said(value, keys, out),
                }
            }
        }
        Value::Array(list) => list.iter().for_each(|v| said(v, keys, out)),
        _ => {}
    }
}

fn sentences(node: &Value) -> Vec<String> {
    let mut out = Vec::new();
    said(node, &["says", "text", "why", "settles", "cure", "how", "consequence"], &mut out);
    out.retain(|text| text.contains(' '));
    out
}

/// Whether a figure in millimetres stands in a sentence outside the brackets a dial's own reading stands in.
fn in_mm(text: &str) -> bool {
    // What the owner of the drawer named keeps its name.
    let text = ["0-25 mm", "60° HSS 10 mm", "29° HSS 12 mm", "60° bar 12 mm"].iter().fold(text.to_owned(), |text, name| text.replace(name, "it"));
    let spoken: String = text.split('(').enumerate().map(|(i, part)| if i == 0 { part } else { part.split_once(')').map_or("", |p| p.1) }).collect();
    spoken.split_whitespace().collect::<Vec<_>>().windows(2).any(|w| w[0].ends_with(|c: char| c.is_ascii_digit()) && w[1].starts_with("mm"))
}

#[tokio::test]
async fn a_job_begun_is_spoken_again_in_whatever_unit_and_words_are_asked() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path(), &["--demo"]);
    // The tie rod was begun in millimetres; a paddle nut was not begun.
    let server = &server;
    let asked = |query: &str| {
        let path = format!("/api/v1/jobs/footbridge-tie-rod{query}");
        async move { server.get(&path).await.1 }
    };
    let kept = asked("").await;
    let other = asked("?unit=in&words=british").await;
    assert!(kept["frozen"] == true && kept["run"]["passes_done"] == 8, "it is begun");
    assert_eq!(kept["plan"]["run"]["passes"], other["plan"]["run"]["passes"], "its run is as it was begun");
    assert_eq!(kept["run"]["next"]["setting"], other["run"]["next"]["setting"], "a dial speaks its own divisions");
    let lines = sentences(&other["plan"]["check"]);
    assert!(lines.len() > 10 && lines.iter().any(|l| l.contains(" in")), "{lines:?}");
    let amiss: Vec<&String> = lines.iter().filter(|l| in_mm(l) || l.contains("half-nut")).collect();
    assert!(amiss.is_empty(), "{amiss:?}");
    let cycle = other["plan"]["run"]["cycle"].to_string();
    assert!(cycle.contains("clasp nut") && kept["plan"]["run"]["cycle"].to_string().contains("half-nut"), "{cycle}");
    for sheet in ["setup", "groove", "gauge", "trouble", "bit", "paper", "route", "log"] {
        let told = server.get(&format!("/api/v1/jobs/footbridge-tie-rod/{sheet}?unit=in&words=british")).await.1;
        let amiss: Vec<String> = sentences(&told)
            .into_iter()
            .filter(|l| (in_mm(l) && !l.contains("itch") && !l.contains("Mark it")) || l.contains("half-nut") || l.contains("compound"))
            .collect();
        assert!(amiss.is_empty(), "{sheet}: {amiss:?}");
    }
    // In the thread's own unit, the one of inches speaks in inches.
    let stud = server.get("/api/v1/jobs/mill-bearing-stud?unit=auto").await.1;
    assert!(stud["plan"]["blank"]["aim_mm"]["text"].as_str().unwrap().ends_with(" in"));
    assert!(asked("?unit=auto").await["plan"]["blank"]["aim_mm"]["text"].as_str().unwrap().ends_with(" mm"));
}

#[tokio::test]
async fn refusals_speak_the_unit_asked_and_a_voice_nobody_has_is_refused() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path(), &["--demo"]);
    let body = json!({"thread": {"callout": "M20x2.5", "length_mm": -5}});
    let (_, refused) = server.post("/api/v1/plan?unit=in", body).await;
    let detail = refused["faults"][0]["detail"].as_str().unwrap();
    assert!(detail.contains("0.0197 to 196.8504 in") && !detail.contains("mm"), "{detail}");
    let (_, told) = server.post("/api/v1/plan", json!({"thread": {"callout": "M20x2.5", "length_mm": -5}, "unit": "in"})).await;
    assert_eq!(told, refused, "in the body it is the same");
    for query in ["unit=furlong", "words=welsh"] {
        let (status, problem) = server.get(&format!("/api/v1/jobs/footbridge-tie-rod?{query}")).await;
        assert_eq!((status.as_u16(), problem["type"].as_str()), (400, Some("/problems/unreadable")), "{problem}");
    }
}

#[tokio::test]
async fn the_words_of_the_shop_are_chosen_once_and_go_with_it() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path(), &["--demo"]);
    let words = server.get("/api/v1/words").await.1;
    assert_eq!((&words["words"], &words["says"]["half-nut"], &words["says"]["center"]), (&json!("american"), &json!("half-nut"), &json!("center")));
    let put = async |words: &str| server.send(Method::PUT, "/api/v1/words", json!({"words": words}), &[]).await.0;
    assert!(put("british").await.is_success());
    let words = server.get("/api/v1/words").await.1;
    assert_eq!((&words["words"], &words["says"]["compound"]), (&json!("british"), &json!("top slide")));
    assert_eq!(put("welsh").await.as_u16(), 422);
    // They are in the shop's file, and come in with it.
    let file = server.get("/api/v1/shop.json").await.1;
    let kept = file["sheets"].as_array().unwrap().iter().find(|s| s["kind"] == "words").unwrap();
    assert_eq!((&kept["owner"], &kept["body"]["words"]), (&json!("shop"), &json!("british")));
    let elsewhere = tempfile::tempdir().unwrap();
    let other = Server::start(elsewhere.path(), &[]);
    let (status, answer) = other.post("/api/v1/shop.json", file).await;
    assert!(status.is_success(), "{answer}");
    assert_eq!(other.get("/api/v1/words").await.1["words"], "british");
}

#[test]
fn the_command_line_takes_a_unit_and_words() {
    let plan = |args: &[&str]| -> Value {
        let mut run = Command::new(env!("CARGO_BIN_EXE_yoke-turn")).arg("plan").args(args).stdin(Stdio::piped()).stdout(Stdio::piped()).spawn().unwrap();
        run.stdin.take().unwrap().write_all(br#"{"thread": {"callout": "M20x2.5-6g"}}"#).unwrap();
        serde_json::from_slice(&run.wait_with_output().unwrap().stdout).unwrap()
    };
    let [mm, inch] = [plan(&[]), plan(&["--unit", "in", "--words", "british"])];
    assert_eq!(mm["cut"]["radial_mm"]["value"], inch["cut"]["radial_mm"]["value"]);
    assert!(mm["cut"]["radial_mm"]["text"].as_str().unwrap().ends_with(" mm") && inch["cut"]["radial_mm"]["text"].as_str().unwrap().ends_with(" in"));
    assert!(inch["cut"]["scale"].as_str().unwrap().contains("top slide"));
    let refused = Command::new(env!("CARGO_BIN_EXE_yoke-turn")).args(["plan", "--words", "welsh"]).output().unwrap();
    assert!(!refused.status.success() && String::from_utf8_lossy(&refused.stderr).contains("american, british or german"));
}
