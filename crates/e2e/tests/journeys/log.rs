//! Log: a job's story by touch, a note, a photograph, what was learned taken into the next job, and the board searched.

use serde_json::json;
use thirtyfour::prelude::*;
use yoke_e2e::{Browser, Server, retype};

#[tokio::test]
async fn a_job_keeps_its_story_and_the_next_begins_from_what_it_learned() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    browser.size((768, 1024)).await;
    let id = "mill-bearing-stud";
    browser.go(&server.at(&format!("/jobs/{id}/gauge"))).await;
    browser.wait_text(".carry", "Over wires").await;
    browser.keys(["8"]).await;
    browser.wait_text(".own", "Nothing has been cut yet").await;
    let job = server.job(id).await;
    server.cut(id, &job["plan"]["run"]["passes"], "p").await;
    browser.go(&server.at(&format!("/jobs/{id}/gauge"))).await;
    browser.wait_text(".carry", "Over wires").await;
    browser.keys(["m"]).await;
    let aim = job["plan"]["gauge"]["over_wires_mm"]["target"]["value"].as_f64().unwrap();
    retype(&browser.find("[role=dialog] input").await, format!("{aim:.3} mm{}", Key::Enter + "")).await;
    browser.wait_text(".verdict", "In limits").await;
    browser.keys(["8"]).await;
    let story = browser.wait_text(".story", "over three wires").await;
    assert!(story.contains("Pass 1 cut at") && story.contains("In limits"), "{story}");
    assert!(browser.axe().await.is_empty(), "{:?}", browser.axe().await);
    browser.click_text(".actions .act", "Write a note").await;
    retype(&browser.find(".note-form input").await, "Bush pressed in with graphite".to_owned() + Key::Enter).await;
    browser.wait_text(".story li:first-child", "graphite").await;
    // A photograph is kept, and one that is none is refused in words.
    let picture = folder.path().join("groove.png");
    std::fs::copy(yoke_e2e::root().join("docs/screenshots/board.png"), &picture).unwrap();
    browser.click_text(".actions .act", "Photographs").await;
    browser.find(".photo-key input").await.send_keys(picture.to_str().unwrap()).await.unwrap();
    browser.find(".photos img[alt='groove.png']").await;
    let text = folder.path().join("note.png");
    std::fs::write(&text, "no picture at all").unwrap();
    browser.find(".photo-key input").await.send_keys(text.to_str().unwrap()).await.unwrap();
    browser.wait_text(".photos .fault", "JPEG or PNG").await;
    assert!(browser.blocked().await.is_empty(), "{:?}", browser.blocked().await);
    // The board finds the job by what was noted.
    browser.go(&server.at("/")).await;
    retype(&browser.find(".seek").await, "graphite").await;
    browser.wait_text("main", "Mill bearing stud").await;
    browser.find(".jobs li:only-child").await;
    // Another job of the same lathe and material may begin from what was learned; it is a switch, and off until touched.
    let made = reqwest::Client::new().post(server.at("/api/v1/jobs")).json(&json!({"callout": "3/4-10 UNC-2A", "lathe_id": "gap-bed"}));
    let next: serde_json::Value = made.send().await.unwrap().json().await.unwrap();
    let next = next["id"].as_str().unwrap();
    server.tell(next, json!({"blank": {"material": "alloy_steel"}})).await;
    browser.go(&server.at(&format!("/jobs/{next}/log"))).await;
    browser.click_text(".actions .act", "What was learned").await;
    browser.wait_text(".learned", "by 1 job").await;
    assert!(server.job(next).await["plan"]["run"]["spring"].is_null());
    browser.touch(".learned .act").await;
    browser.wait_text(".learned", "leave it out").await;
    assert!(server.job(next).await["plan"]["run"]["spring"].is_array());
    browser.close().await;
}
