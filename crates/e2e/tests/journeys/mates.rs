//! The mate, the sample and the proof at the screen: cut by numbers and tried, a nose that would bottom, out and back, a tap oversize, a
//! figure that is wrong.

use serde_json::{Value, json};
use thirtyfour::prelude::*;
use yoke_e2e::{Browser, Server, retype};

async fn made(server: &Server, title: &str, request: Value) -> String {
    let answer = reqwest::Client::new().post(server.at("/api/v1/jobs")).json(&json!({"title": title, "request": request})).send().await.unwrap();
    answer.json::<Value>().await.unwrap()["id"].as_str().unwrap().to_owned()
}

/// Tells by touch how the mate went, and that nothing or something met first.
async fn tried(browser: &Browser, went: &str, amount: Option<&str>, met: &str) {
    browser.breathe().await;
    browser.keys(["m"]).await;
    browser.click_text("[role=dialog] .way", "The mate").await;
    browser.click_text(".mate-fits .choice", went).await;
    if let Some(amount) = amount {
        retype(&browser.find("[role=dialog] input").await, format!("{amount}{}", Key::Enter + "")).await;
    }
    browser.wait_text("[role=dialog]", "meet before the threads").await;
    browser.click_text(".mate-fits .choice", met).await;
}

#[tokio::test]
async fn a_nut_cut_by_numbers_its_screw_tried_and_done_with() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    let nut = made(
        &server,
        "Gland nut",
        json!({"thread": {"callout": "M30x2-6H", "length_mm": 20}, "lathe_id": "gap-bed", "bit": {"included_angle_deg": 60, "tip_flat_mm": 0.2}}),
    )
    .await;
    browser.go(&server.at(&format!("/jobs/{nut}/thread"))).await;
    browser.click_text("button.word", "Cut its screw too").await;
    browser.wait_text(".own", "One of a pair").await;
    let job = server.job(&nut).await;
    let screw = job["members"][0]["id"].as_str().unwrap().to_owned();
    server.cut(&nut, &job["plan"]["run"]["passes"], "p").await;
    // Done with it at the lathe, measured by nobody: that is said.
    browser.stand(&server.at(&format!("/jobs/{nut}/at-the-lathe"))).await;
    browser.wait_text(".pass-name", "Measure").await;
    browser.click_text("footer .lathe-key", "Else").await;
    browser.click_text(".happened .choice", "Done with it").await;
    browser.wait_text(".lathe", "nothing proved it").await;
    server.tell(&screw, json!({"bit": {"included_angle_deg": 60, "tip_flat_mm": 0.25}})).await;
    browser.go(&server.at(&format!("/jobs/{screw}/thread"))).await;
    browser.wait_text(".carry", "came to, by its settings").await;
    assert!(browser.axe().await.is_empty(), "{:?}", browser.axe().await);
    let fitted = server.job(&screw).await;
    server.cut(&screw, &fitted["plan"]["run"]["passes"], "p").await;
    browser.stand(&server.at(&format!("/jobs/{screw}/at-the-lathe"))).await;
    // The nut enters two turns, and the jaws stopped it: that says nothing. Tried again it binds by itself, and leads to a cut.
    tried(&browser, "Enters some turns", Some("2"), "The jaws").await;
    browser.wait_text(".lathe", "met the jaws before the threads").await;
    tried(&browser, "Enters some turns", Some("2"), "Nothing: the threads alone").await;
    browser.wait_text(".strip", "try it again").await;
    let left = server.job(&screw).await["run"]["schedule"].clone();
    server.cut(&screw, &left, "q").await;
    browser.wait_text(".pass-name", "Measure").await;
    browser.keys(["m"]).await;
    browser.click_text("[role=dialog] .way", "The mate").await;
    assert!(browser.axe().await.is_empty(), "{:?}", browser.axe().await);
    browser.click_text(".mate-fits .choice", "Runs free").await;
    browser.wait_text(".pass-name", "In limits").await;
    browser.close().await;
}

#[tokio::test]
async fn a_nose_that_would_bottom_is_red_and_one_touch_stands_the_work_out() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    let gauge = json!({"proof": "mate", "mate_at_hand": true, "mate_ahead_mm": 12});
    let id = made(
        &server,
        "Mill spindle",
        json!({"thread": {"callout": "M36x3-6g", "length_mm": 40}, "lathe_id": "gap-bed", "blank": {"stick_out_mm": 44}, "gauge": gauge}),
    )
    .await;
    browser.go(&server.at(&format!("/jobs/{id}/setup"))).await;
    let red = browser.wait_text("[data-check=proof]", "touch the jaws first").await;
    assert!(red.contains("12.0 mm ahead of its thread") && red.contains("Stand the work further out"), "{red}");
    browser.click("[data-check=proof] button.act").await;
    browser.wait_text("[data-check=proof]", "it goes on").await;
    server.comes_to(&id, "/request/blank/stick_out_mm", 52).await;
    // Between centres it comes out for its ring; hung on the tailstock's side it runs on where it hangs.
    server.tell(&id, json!({"blank": {"holding": "centres", "stick_out_mm": null, "beyond_mm": 30}})).await;
    browser.go(&server.at(&format!("/jobs/{id}/setup"))).await;
    browser.wait_text("[data-check=proof]", "mark the dog's slot").await;
    browser.touch("button.word[aria-label^='Where it is meanwhile']").await;
    browser.click_text(".editor .choice", "hung on the tailstock").await;
    browser.wait_text("[data-check=proof]", "runs on where it hangs").await;
    // Out for its ring and back in the slot: proved by a pass that cuts nothing.
    let job = server.job(&id).await;
    server.cut(&id, &json!([job["plan"]["run"]["passes"][0]]), "p").await;
    browser.stand(&server.at(&format!("/jobs/{id}/at-the-lathe"))).await;
    browser.click_text("footer .lathe-key", "Else").await;
    browser.click_text(".happened .choice", "Out of the chuck").await;
    browser.wait_text("[role=dialog]", "proved by one pass without cutting").await;
    assert!(browser.axe().await.is_empty(), "{:?}", browser.axe().await);
    browser.click_text(".happened .choice", "in the same slot").await;
    browser.wait_text(".lathe", "without cutting").await;
    browser.close().await;
}

#[tokio::test]
async fn a_tap_over_its_screw_half_a_nut_laid_on_and_a_figure_that_is_wrong() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    let id = made(
        &server,
        "Tap for the half-nut",
        json!({"thread": {"callout": "Tr28x5", "length_mm": 60}, "lathe_id": "gap-bed", "bit": {"included_angle_deg": 30}}),
    )
    .await;
    browser.go(&server.at(&format!("/jobs/{id}/gauge"))).await;
    // Made over its screw by thirteen hundredths, as measured by thread micrometer.
    browser.click_text("button.word", "what its limits ask").await;
    let fields = browser.page.find_all(By::Css("[role=dialog] input")).await.unwrap();
    retype(&fields[0], "25.2").await;
    retype(&fields[1], "-0.13").await;
    browser.click_text("[role=dialog] .act", "Set").await;
    server.comes_to(&id, "/request/gauge/original/clearance_mm", -0.13).await;
    let job = server.job(&id).await;
    assert!((job["plan"]["run"]["target_mm"].as_f64().unwrap() - 25.33).abs() < 1e-6);
    // A figure brought along: twice the depth, as a diameter.
    browser.go(&server.at(&format!("/jobs/{id}/cut"))).await;
    browser.click_text("button.act", "What if").await;
    browser.click_text("[role=dialog] .choice", "A figure of your own").await;
    let radial = job["plan"]["run"]["start_mm"].as_f64().unwrap() / 2.0 - 25.33 / 2.0 + job["plan"]["run"]["tip_to_pitch_mm"].as_f64().unwrap();
    let field = browser.find(".own-figure input").await;
    retype(&field, format!("{:.3} mm{}", 2.0 * radial, Key::Enter + "")).await;
    browser.wait_text(".own-figure", "a depth on the diameter, where this is on the radius").await;
    assert!(browser.axe().await.is_empty(), "{:?}", browser.axe().await);
    browser.close_leaf().await;
    // Half the nut laid on stands off by three tenths: about so much depth is left.
    server.cut(&id, &job["plan"]["run"]["passes"], "p").await;
    browser.stand(&server.at(&format!("/jobs/{id}/at-the-lathe"))).await;
    browser.wait_text(".pass-name", "Measure").await;
    tried(&browser, "Laid on", Some("0.3 mm"), "Nothing").await;
    browser.wait_text(".strip", "stands off by 0.3 mm").await;
    browser.close().await;
}

/// Tries the mate, which runs free: that proves it.
async fn runs_free(browser: &Browser) {
    browser.breathe().await;
    browser.keys(["m"]).await;
    browser.click_text("[role=dialog] .way", "The mate").await;
    browser.click_text(".mate-fits .choice", "Runs free").await;
    browser.wait_text(".pass-name", "In limits").await;
}

/// Jobs of one part: the first, and those beside it.
async fn beside(server: &Server, id: &str) -> Vec<String> {
    server.job(id).await["members"].as_array().unwrap().iter().map(|m| m["id"].as_str().unwrap().to_owned()).collect()
}

/// Touches a word of the station's sentence, in its leaf where the sentence is folded.
async fn words(browser: &Browser, word: &str) {
    browser.quiet().await;
    if !browser.page.find_all(By::Css(".folded .more")).await.unwrap().is_empty() {
        browser.click(".folded .more").await;
        return browser.click_text("[role=dialog] .word", word).await;
    }
    browser.click_text(".own .word", word).await;
}

/// Cuts all that is planned of a job, and proves it by the size it aims at.
async fn cut_and_measured(server: &Server, id: &str, run: &str) {
    let plan = server.job(id).await["plan"].clone();
    server.cut(id, &plan["run"]["passes"], run).await;
    server.act(id, &format!("{run}-m"), json!({"kind": "measured", "pitch_diameter_mm": plan["run"]["target_mm"]})).await;
}

#[tokio::test]
async fn two_thrust_nuts_made_first_and_a_spindle_they_would_not_have_gone_on() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    // Two threads of one spindle, each with its nut; a nut carries a plain thrust face ahead of its thread.
    let bit = json!({"included_angle_deg": 60, "tip_flat_mm": 0.25});
    let spindle = made(
        &server,
        "Paddle spindle",
        json!({"thread": {"callout": "M24x2-6g", "length_mm": 30}, "lathe_id": "gap-bed", "bit": bit, "blank": {"stick_out_mm": 34}, "mate": {"school": "internal_first"}}),
    )
    .await;
    browser.go(&server.at(&format!("/jobs/{spindle}/thread"))).await;
    browser.click_text("button.word", "Cut its nut too").await;
    browser.wait_text(".own", "One of a pair").await;
    let first_nut = beside(&server, &spindle).await.swap_remove(0);
    words(&browser, "Add a thread").await;
    browser.click_text("[role=dialog] .act", "The same again, on the other end").await;
    browser.click_text("[role=dialog] a.word", "the other end").await;
    browser.comes_to(&format!("return location.pathname.includes('/jobs/{spindle}/')"), false).await;
    let second = browser.page.current_url().await.unwrap().path_segments().unwrap().nth(1).unwrap().to_owned();
    assert_ne!(second, spindle);
    browser.click_text("button.word", "Cut its nut too").await;
    browser.wait_text(".own", "One of a pair").await;
    let all = beside(&server, &spindle).await;
    assert_eq!(all.len(), 3, "two threads and two nuts: {all:?}");
    let second_nut = all.into_iter().find(|id| *id != first_nut && *id != second).unwrap();
    for (screw, nut, run) in [(&spindle, &first_nut, "a"), (&second, &second_nut, "b")] {
        server.tell(nut, json!({"bit": {"included_angle_deg": 60, "tip_flat_mm": 0.2}})).await;
        cut_and_measured(&server, nut, run).await;
        // The nut is at hand, and what it carries ahead would meet the jaws: red before the first chip, and one touch mends it.
        server.tell(screw, json!({"bit": bit, "gauge": {"proof": "mate", "mate_at_hand": true}, "blank": {"stick_out_mm": 34, "holding": "three_jaw"}})).await;
        browser.go(&server.at(&format!("/jobs/{screw}/setup"))).await;
        browser.wait_text("[data-check=proof]", "Not known").await;
        browser.touch("button.word[aria-label^='What the mate carries ahead']").await;
        retype(&browser.find(".editor input").await, format!("9 mm{}", Key::Enter + "")).await;
        browser.wait_text("[data-check=proof]", "touch the jaws first").await;
        assert_eq!(server.job(screw).await["plan"]["check"]["ready"], false);
        browser.click("[data-check=proof] button.act").await;
        browser.wait_text("[data-check=proof]", "it goes on").await;
        // Held to the nut as made; cut to its depth, the nut tried, and done with what proved it.
        let job = server.job(screw).await;
        assert!(job["plan"]["pair"]["mate_made_mm"]["value"].as_f64().is_some(), "{}", job["plan"]["pair"]);
        server.cut(screw, &job["plan"]["run"]["passes"], run).await;
        browser.stand(&server.at(&format!("/jobs/{screw}/at-the-lathe"))).await;
        browser.wait_text(".lathe", "All passes cut").await;
        runs_free(&browser).await;
        browser.click_text("footer .lathe-key", "Else").await;
        browser.click_text(".happened .choice", "Done with it").await;
        server.comes_to(screw, "/run/closed", true).await;
    }
    // The part's route: nuts before the threads that are held to them.
    browser.go(&server.at(&format!("/jobs/{spindle}/route"))).await;
    let route = browser.wait_text(".wide-side", "The nut").await;
    assert!(route.find("nut").unwrap() < route.rfind("Thread").unwrap(), "{route}");
    assert!(browser.blocked().await.is_empty(), "{:?}", browser.blocked().await);
    browser.close().await;
}

#[tokio::test]
async fn a_square_bottomed_screw_is_copied_both_ends_the_same_four_parts_with_a_jaw_laid_on() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    // Two to the inch by eye, left-handed, flanks of sixteen degrees to a flat bottom: a thread of no standard.
    let special = json!({"major_mm": 31.6, "pitch_mm": 6.35, "included_angle_deg": 32});
    let request = json!({"thread": {"special": special, "hand": "left", "length_mm": 60}, "lathe_id": "gap-bed", "bit": {"included_angle_deg": 32, "tip_flat_mm": 2.0},
        "blank": {"material": "bronze"}});
    let id = made(&server, "Chuck-jaw screw, worn", request).await;
    browser.go(&server.at(&format!("/jobs/{id}/gauge"))).await;
    // Its crests and a space are what can be reached of it.
    browser.click_text("button.word", "what its limits ask").await;
    browser.click_text("[role=dialog] [role=radio]", "space").await;
    let fields = browser.page.find_all(By::Css("[role=dialog] input")).await.unwrap();
    retype(&fields[0], "31.55 mm").await;
    retype(&fields[1], "4.0 mm").await;
    browser.click_text("[role=dialog] .act", "Set").await;
    server.comes_to(&id, "/request/gauge/original/space_mm", 4).await;
    // By hand: (4.0 − 3.175)/tan 16° is 2.877 under its crests.
    let job = server.job(&id).await;
    let target = job["plan"]["run"]["target_mm"].as_f64().unwrap();
    assert!((target - (31.55 - 0.825 / 16.0_f64.to_radians().tan())).abs() < 0.002, "{target}");
    // Both ends the same: the other end is its own job of the part, with the same form and the same original.
    browser.go(&server.at(&format!("/jobs/{id}/thread"))).await;
    browser.click_text("button.word", "Add a thread").await;
    browser.click_text("[role=dialog] .act", "The same again, on the other end").await;
    browser.find_text("a.word", "the other end").await;
    let ends = [id.clone(), beside(&server, &id).await.swap_remove(0)];
    assert_eq!(server.job(&ends[1]).await["request"]["gauge"]["original"], job["request"]["gauge"]["original"]);
    // Four parts of it, every end of each.
    browser.go(&server.at(&format!("/jobs/{id}/batch"))).await;
    retype(&browser.find("main input").await, format!("4{}", Key::Enter + "")).await;
    browser.wait_text(".tally", "not begun; not begun").await;
    let rows = browser.page.find_all(By::Css(".tally tbody tr")).await.unwrap().len();
    assert_eq!(rows, 4);
    // The first end to where metal is left: a jaw laid on it stands off, so much depth is left, and sitting home it is run on.
    let plan = server.job(&id).await["plan"].clone();
    let passes = plan["run"]["passes"].as_array().unwrap();
    server.cut(&id, &json!(passes[..passes.len() - 3]), "p").await;
    browser.stand(&server.at(&format!("/jobs/{id}/at-the-lathe"))).await;
    browser.find(".pass-name").await;
    tried(&browser, "Laid on", Some("0.3 mm"), "Nothing").await;
    browser.wait_text(".strip", "stands off by 0.3 mm").await;
    let run = server.job(&id).await["run"].clone();
    let (stands, last) = (run["stands_mm"].as_f64().unwrap(), run["verdict"]["next"]["radial_mm"].as_f64().unwrap());
    assert!(last > stands && last - stands < 0.36, "about three tenths deeper, never more: {stands} to {last}");
    server.cut(&id, &run["schedule"], "q").await;
    browser.wait_text(".pass-name", "Measure").await;
    runs_free(&browser).await;
    // The seven ends that are left, each cut and run free: four good parts.
    let jobs = reqwest::get(server.at("/api/v1/jobs")).await.unwrap().json::<Value>().await.unwrap();
    let others: Vec<&str> =
        jobs.as_array().unwrap().iter().filter(|j| j["batch"] == id.as_str() && j["id"] != id.as_str()).map(|j| j["id"].as_str().unwrap()).collect();
    assert_eq!(others.len(), 7, "{others:?}");
    for other in others {
        server.cut(other, &server.job(other).await["plan"]["run"]["passes"], "p").await;
        server.act(other, "free", json!({"kind": "tried", "fit": "free", "touched": "nothing"})).await;
        server.comes_to(other, "/run/finished", true).await;
    }
    browser.go(&server.at(&format!("/jobs/{id}/batch"))).await;
    browser.wait_text(".wide-side h2", "4 of 4 good").await;
    browser.close().await;
}

#[tokio::test]
async fn a_cap_for_the_spindle_nose_with_its_register_chuck_off_and_on() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    let id = made(
        &server,
        "Cap for the Bench's nose",
        json!({"thread": {"callout": "M36x4-6H", "length_mm": 22}, "lathe_id": "bench", "bit": {"included_angle_deg": 60, "tip_flat_mm": 0.4, "reach_past_mm": 3, "bar_diameter_mm": 14},
            "blank": {"shoulder": true, "register": {"mate_plain_mm": 37.5, "depth_mm": 5}}, "gauge": {"proof": "mate"}}),
    )
    .await;
    browser.go(&server.at(&format!("/jobs/{id}/setup"))).await;
    // Nothing told of a mate: not known. The nose itself proves it, the chuck coming off with the work in it.
    browser.touch("button.word[aria-label^='Whether the mate is']").await;
    browser.click_text(".editor .choice", "at hand").await;
    browser.touch("button.word[aria-label^='Where it is meanwhile']").await;
    browser.click_text(".editor .choice", "spindle’s own nose").await;
    server.comes_to(&id, "/request/gauge/mate_is_nose", true).await;
    browser.wait_text("[data-check=proof]", "Tell what it carries ahead").await;
    browser.click("[data-check=proof] button.act").await;
    browser.wait_text("[data-check=proof]", "the chuck comes off with the work in it").await;
    let plan = server.job(&id).await["plan"].clone();
    let passes = plan["run"]["passes"].as_array().unwrap();
    server.cut(&id, &json!(passes[..passes.len() - 2]), "p").await;
    // Chuck off with the work in it, tried on the nose: the register met first, so the threads were not tried. Back on its mark.
    browser.stand(&server.at(&format!("/jobs/{id}/at-the-lathe"))).await;
    browser.find(".pass-name").await;
    tried(&browser, "Enters some turns", Some("1"), "A register").await;
    browser.wait_text(".lathe", "met the register before the threads").await;
    browser.click_text("footer .lathe-key", "Else").await;
    browser.click_text(".happened .choice", "Out of the chuck").await;
    browser.click_text(".happened .choice", "back on its mark").await;
    browser.wait_text(".lathe", "The chuck is back on its marked place").await;
    // The bit that just touches the register reads its own root there.
    browser.breathe().await;
    browser.keys(["m"]).await;
    browser.click_text("[role=dialog] .way", "Across the roots").await;
    browser.click_text("[role=dialog] button", "The bit just touches the register").await;
    let middle = plan["blank"]["register"]["middle_mm"]["value"].as_f64().unwrap();
    let typed = browser.find("[role=dialog] input").await.value().await.unwrap().unwrap();
    assert!((typed.trim_end_matches(" mm").parse::<f64>().unwrap() - middle).abs() < 0.01, "{typed} {middle}");
    assert!(browser.axe().await.is_empty(), "{:?}", browser.axe().await);
    browser.close_leaf().await;
    let left = server.job(&id).await["run"]["schedule"].clone();
    server.cut(&id, &left, "q").await;
    browser.wait_text(".lathe", "All passes cut").await;
    runs_free(&browser).await;
    browser.close().await;
}

#[tokio::test]
async fn a_test_piece_is_cut_first_and_what_it_found_is_taken_over_one_by_one() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    let part = made(
        &server,
        "Sluice stud",
        json!({"thread": {"callout": "M20x2.5-6g", "length_mm": 40}, "lathe_id": "gap-bed", "bit": {"included_angle_deg": 60, "tip_flat_mm": 0.31},
            "blank": {"diameter_mm": 19.85, "shoulder": true, "runs_true": true}, "setup": {"spindle_rpm": 35}}),
    )
    .await;
    browser.go(&server.at(&format!("/jobs/{part}/setup"))).await;
    words(&browser, "Cut a test piece of it first").await;
    browser.comes_to(&format!("return location.pathname.includes('/jobs/{part}/')"), false).await;
    let test = browser.page.current_url().await.unwrap().path_segments().unwrap().nth(1).unwrap().to_owned();
    let plan = server.job(&test).await["plan"].clone();
    server.cut(&test, &json!(plan["run"]["passes"].as_array().unwrap()[..3]), "p").await;
    // It runs past its mark, and is parted off to be tried: both are told at the lathe.
    browser.stand(&server.at(&format!("/jobs/{test}/at-the-lathe"))).await;
    browser.click_text("footer .lathe-key", "Else").await;
    browser.click_text(".happened .choice", "Ran past the mark").await;
    retype(&browser.find("[role=dialog] input").await, format!("1.2 mm{}", Key::Enter + "")).await;
    browser.wait_text(".lathe", "It ran 1.2 mm past its mark").await;
    browser.click_text("footer .lathe-key", "Else").await;
    browser.click_text(".happened .choice", "Out of the chuck").await;
    browser.click_text(".happened .choice", "Parted off for a trial").await;
    retype(&browser.find("[role=dialog] input").await, format!("0.06 mm{}", Key::Enter + "")).await;
    browser.wait_text(".lathe", "half of that, 0.030 mm, is too deep on one side").await;
    // The part is told of it, and takes over what is wanted of it.
    browser.go(&server.at(&format!("/jobs/{part}/setup"))).await;
    words(&browser, "The test piece found").await;
    browser.wait_text("[role=dialog]", "slower than reckoned").await;
    assert!(browser.axe().await.is_empty(), "{:?}", browser.axe().await);
    browser.click("[role=dialog] .found .act").await;
    browser.comes_to("return document.querySelector('[role=dialog]').innerText.includes('slower than reckoned')", false).await;
    let told = server.job(&part).await["request"]["setup"]["reaction_s"].as_f64().unwrap();
    // 1.2 mm at 2.5 mm a turn and 35 turns a minute: 0.82 s more.
    assert!((told - plan["setup"]["reaction_s"].as_f64().unwrap() - 0.823).abs() < 0.01, "{told}");
    browser.close().await;
}
