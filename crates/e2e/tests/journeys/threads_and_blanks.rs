//! Threads found, paired and ended: samples, mates, blanks and the bench pad, through the real browser.

use serde_json::Value;
use thirtyfour::prelude::*;
use yoke_e2e::{Browser, Server, retype};

#[tokio::test]
async fn the_windlass_bolt_is_identified_and_taken() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    browser.go(&server.at("/jobs/windlass-bolt--as-found/thread")).await;
    // What was measured in the yard leaves two, and says what would part them.
    let may = browser.wait_text(".may-be", "angle gauges").await;
    assert!(may.contains("7/8 BSW") && may.contains("7/8-9 UNC"), "{may}");
    assert!(browser.axe().await.is_empty(), "{:?}", browser.axe().await);
    // A count of crests for spaces is caught, by keyboard.
    browser.click(".measured button:nth-child(2)").await;
    let spaces = browser.find(".typed input").await;
    retype(&spaces, "11" + Key::Enter).await;
    browser.wait_text(".may-be", "the count is one out: 10 spaces").await;
    browser.click(".measured button:nth-child(2)").await;
    let spaces = browser.find(".typed input").await;
    retype(&spaces, "many" + Key::Enter).await;
    browser.wait_text(".answer .fault", "is not a number").await;
    retype(&spaces, "10" + Key::Enter).await;
    browser.wait_text(".measured", "10 over 28.3 mm").await;
    // The gauge settles it, by touch.
    browser.touch(".measured button:nth-child(5)").await;
    browser.touch(".answer .choices .choice:nth-child(2)").await;
    browser.wait_text(".measured", "55°").await;
    let first = browser.wait_text(".may .first", "angle: 55° where it is 55°").await;
    assert!(first.contains("7/8 BSW"), "{first}");
    browser.click("button[aria-label='Take it: 7/8 BSW']").await;
    browser.wait_text(".sentence", "7/8 BSW-medium").await;
    browser.noted("Whitworth form").await;
    let job = server.job("windlass-bolt--as-found").await;
    assert_eq!((job["plan"]["thread"]["half_angle_deg"].as_f64(), job["request"]["sample"]["over_mm"].as_f64()), (Some(27.5), Some(28.3)));
    browser.close().await;
}

#[tokio::test]
async fn a_size_is_found_by_arrows_and_a_sample_is_begun_from_the_board() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    browser.go(&server.at("/")).await;
    browser.click(".type-and-go .plain").await;
    browser.find(".size-rule [aria-selected=true]").await;
    // Back one series from the first is the last: BA.
    browser.keys([Key::Left + ""]).await;
    browser.wait_text(".size-rule", "BA").await;
    browser.keys([Key::Right + "", Key::Right + "", Key::Right + ""]).await;
    browser.wait_text(".sizes .how", "Unified coarse").await;
    browser.keys(["7/8"]).await;
    browser.wait_text(".size-rule [aria-selected=true]", "7/8-9 UNC").await;
    browser.keys([Key::Enter + ""]).await;
    browser.wait_text(".card", "0.8905 in").await;
    browser.click(".on-board .row button").await;
    browser.wait_text(".answer", "across the outside").await;
    browser.keys([Key::Tab + ""]).await;
    let outside = browser.find(".typed input").await;
    outside.send_keys("31.5" + Key::Enter).await.unwrap();
    browser.wait_text(".measured", "31.5 mm").await;
    browser.wait_text(".may", "1-1/4-5 Acme").await;
    browser.close().await;
}

#[tokio::test]
async fn the_paddle_nut_follows_the_screw_as_measured() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    browser.go(&server.at("/jobs/paddle-screw-and-nut/thread")).await;
    // Wires prove the screw and nothing in the drawer the nut: the screw first. The other way about by touch, and back.
    for (choice, first) in [(1, "nut first, the screw fitted to it"), (2, "screw first, the nut fitted to it")] {
        browser.touch("button[aria-label^='Which is made first']").await;
        browser.wait_text(".editor", "recommended").await;
        browser.touch(&format!(".editor .choice:nth-child({choice})")).await;
        browser.wait_text(".own", first).await;
    }
    browser.click("button[aria-pressed]").await;
    browser.wait_text(".carry", "Clearance at the pitch line").await;
    assert!(browser.axe().await.is_empty(), "{:?}", browser.axe().await);
    // Every pass is cut at the lathe's own server, and the screw measured there by hand.
    let screw = server.job("paddle-screw-and-nut").await;
    server.cut("paddle-screw-and-nut", &screw["plan"]["run"]["passes"], "p").await;
    browser.stand(&server.at("/jobs/paddle-screw-and-nut/at-the-lathe")).await;
    browser.wait_text(".lathe", "Measure now").await;
    browser.keys(["m"]).await;
    let field = browser.find("[role=dialog] input").await;
    // Over the wires chosen, 1.1350 in of pitch diameter reads as much more as the aim does.
    let at = |pointer: &str| screw["plan"].pointer(pointer).and_then(Value::as_f64).unwrap();
    let over = 1.1350 * 25.4 + at("/gauge/over_wires_mm/target/value") - at("/cut/target_pitch_diameter_mm/value");
    field.send_keys(format!("{over:.4} mm") + Key::Enter).await.unwrap();
    browser.wait_text(".lathe", "In limits").await;
    let nut = screw["members"][0]["id"].as_str().unwrap();
    browser.go(&server.at(&format!("/jobs/{nut}/thread"))).await;
    // 1.1350 + 0.0089 of clearance, then 0.0201 of the nut's own tolerance.
    let carry = browser.wait_text(".carry", "The screw measures").await;
    assert!(carry.contains("1.1350 in") && carry.contains("1.1439 in to 1.1640 in"), "{carry}");
    browser.keys(["7"]).await;
    browser.wait_text(".carry", "1.15").await;
    browser.close().await;
}

#[tokio::test]
async fn the_blind_caps_groove_is_refused_and_a_sum_on_the_pad_mends_it() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    browser.go(&server.at("/jobs/gauge-board-cap/blank")).await;
    browser.wait_text(".own", "a turned relief").await;
    // A dimension touched on the drawing opens the word that sets it: a groove too small is refused, and why.
    browser.find(".outline li:nth-child(5) button").await;
    browser.script("document.querySelectorAll('.outline li button')[4].click()").await;
    let field = browser.find(".editor input").await;
    retype(&field, "36.1" + Key::Enter).await;
    let watch = browser.wait_text(".watch", "digging in").await;
    assert!(watch.contains("36.100 mm") && watch.contains("36.725 mm"), "{watch}");
    browser.click("button[aria-label^='Relief diameter there is']").await;
    browser.click(".editor .act.plain").await;
    browser.wait_text(".mantine-Modal-body .own", "as large as needed").await;
    browser.keys([Key::Escape + ""]).await;
    // The width comes from the pad: the wall over a pin, less the thread.
    browser.keys(["b"]).await;
    browser.wait_text(".bench-pad", "Small sums").await;
    assert!(browser.axe().await.is_empty(), "{:?}", browser.axe().await);
    for place in [2, 3] {
        browser.click(&format!(".bench-pad .row .choice:nth-child({place})")).await;
    }
    let field = |sum: u8, label: u8| format!(".bench-pad fieldset:nth-of-type({sum}) label:nth-of-type({label}) input");
    let fill = async |css: String, text: &str| {
        retype(&browser.find(&css).await, text).await;
    };
    fill(field(1, 1), "wall").await;
    fill(field(1, 2), "26.5").await;
    fill(field(1, 3), "six").await;
    let source = browser.find(".bench-pad fieldset:nth-of-type(2) label:nth-of-type(2) select").await;
    source.send_keys("from: wall").await.unwrap();
    fill(field(2, 3), "18").await;
    browser.find(".bench-pad fieldset:nth-of-type(2) label:nth-of-type(4) select").await.send_keys("relief width").await.unwrap();
    browser.click(".bench-pad .row .act").await;
    browser.wait_text(".bench-pad .fault", "the pin").await;
    fill(field(1, 3), "6").await;
    browser.click(".bench-pad .row .act").await;
    browser.wait_text(".bench-pad", "2.500 mm, the relief width").await;
    browser.keys([Key::Escape + ""]).await;
    browser.wait_text(".watch", "2.5 mm wide").await;
    browser.script("document.querySelectorAll('.outline li button')[5].click()").await;
    browser.wait_text(".mantine-Modal-body .own", "2.5 mm, from the pad").await;
    browser.keys([Key::Escape + "", Key::Escape + ""]).await;
    // Measured again at its source, everything after it follows, and the groove serves.
    browser.keys(["b"]).await;
    fill(field(1, 2), "28.5").await;
    browser.click(".bench-pad .row .act").await;
    browser.wait_text(".bench-pad", "4.500 mm, the relief width").await;
    browser.keys([Key::Escape + ""]).await;
    browser.wait_text(".outline", "4.5 mm").await;
    let job = server.job("gauge-board-cap").await;
    assert!(job["plan"]["watch"].as_array().unwrap().iter().all(|w| w["code"] != "relief_narrow"), "{}", job["plan"]["watch"]);
    // How it ends is chosen from the schools, side by side.
    browser.click("button[aria-label^='How the thread ends']").await;
    let schools = browser.wait_text(".editor", "withdrawn at a mark").await;
    assert!(schools.contains("counterbored") && schools.contains("of full thread"), "{schools}");
    browser.close().await;
}

#[tokio::test]
async fn a_part_carries_several_threads_and_a_sample_is_made_to_its_measurements() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    browser.size((1024, 768)).await;
    browser.look(true).await;
    // A mate and another thread, by touch and by typing; a callout that does not read loses nothing.
    browser.go(&server.at("/jobs/hydrant-union/thread")).await;
    browser.noted("rounded 0.317 mm").await;
    assert!(browser.axe().await.is_empty(), "{:?}", browser.axe().await);
    browser.script("[...document.querySelectorAll('.own .word')].find(b => b.textContent === 'Cut its nut too.').click()").await;
    browser.wait_text(".own", "One of a pair").await;
    browser.script("[...document.querySelectorAll('.own .word')].find(b => b.textContent === 'Add a thread to this part.').click()").await;
    let field = browser.find("[role=dialog] input").await;
    retype(&field, "M24x9000" + Key::Enter).await;
    browser.wait_text("[role=dialog] .fault", "pitch").await;
    retype(&field, "M24x2-6g LH" + Key::Enter).await;
    // On a tablet the sentence is two lines; the whole of it is behind its last word.
    browser.click("button[aria-label='What is chosen here, whole']").await;
    let own = browser.wait_text("[role=dialog] .own", "On the same part").await;
    assert!(own.contains("M24x2-6g LH"), "{own}");
    browser.click("[role=dialog] .own a.word").await;
    browser.wait_text(".sentence", "internal").await;
    browser.wait_text(".own", "its screw").await;
    // The sample, neither standard: made to its measurements, left-hand as it was seen to climb.
    browser.go(&server.at("/jobs/windlass-bolt--as-found/thread")).await;
    browser.wait_text(".may-be", "angle gauges").await;
    browser.touch(".measured button:nth-child(6)").await;
    browser.touch(".answer .choice:nth-child(2)").await;
    browser.wait_text(".measured", "left-hand").await;
    browser.click(".sample aside > .act.plain").await;
    browser.wait_text(".sentence", "Special 22.05×2.83").await;
    let sentence = browser.wait_text(".sentence", "left-hand").await;
    assert!(sentence.contains("external"), "{sentence}");
    // Its sheet opens again from the thread, and another size can still be taken from it.
    browser.script("[...document.querySelectorAll('.own .word')].find(b => b.textContent.startsWith('Found')).click()").await;
    browser.wait_text("[role=dialog] .may", "7/8-9 UNC").await;
    browser.click("button[aria-label^='Take it: 7/8-9 UNC']").await;
    browser.wait_text(".sentence", "7/8-9 UNC-2A").await;
    let job = server.job("windlass-bolt--as-found").await;
    assert!(job["request"]["thread"]["special"].is_null() && job["plan"]["thread"]["hand"] == "left", "{}", job["request"]);
    browser.close().await;
}

#[tokio::test]
async fn a_sample_is_measured_by_touch_alone_with_the_number_pad() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    browser.size((768, 1024)).await;
    browser.go(&server.at("/")).await;
    browser.touch(".on-board .row button").await;
    browser.wait_text(".answer", "across the outside").await;
    // 19.9 mm on the pad, then the pitch by the gauge's leaf, then what the hand sees.
    browser.touch(".pad-fold summary").await;
    for key in ["1", "9", ".", "9", "9", "Delete"] {
        browser.touch(&format!(".pad button[aria-label='{key}']")).await;
    }
    browser.touch(".typed .act").await;
    browser.wait_text(".measured", "19.9 mm").await;
    browser.touch(".measured button:nth-child(3)").await;
    browser.wait_text(".answer", "pitch gauge").await;
    browser.touch(".pad-fold summary").await;
    for key in ["2", ".", "5"] {
        browser.touch(&format!(".pad button[aria-label='{key}']")).await;
    }
    browser.touch(".typed .act").await;
    browser.wait_text(".measured", "2.5 mm").await;
    let first = browser.wait_text(".may .first", "M20").await;
    assert!(first.contains("outside diameter"), "{first}");
    browser.touch(".may .first .act").await;
    browser.wait_text(".sentence", "M20×2.5-6g").await;
    browser.close().await;
}

#[tokio::test]
async fn a_part_is_held_clocked_and_given_its_plain_sizes() {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::start(folder.path());
    let browser = Browser::open().await;
    browser.go(&server.at("/jobs/hydrant-union/blank")).await;
    // Ways of holding side by side; what must run true changes the one recommended.
    browser.click_text("button.word", "Held in the three-jaw chuck").await;
    browser.wait_text(".held", "between centers").await;
    browser.click_text(".held .choice", "It must run true").await;
    browser.wait_text(".held .ways .choice[aria-pressed=true]", "four-jaw").await;
    assert!(browser.axe().await.is_empty(), "{:?}", browser.axe().await);
    browser.click_text(".held .choice", "How true it runs").await;
    // An indicator reading becomes what it does and the move that mends it; a bad one names its field and stays.
    let swing = ".held section[aria-label='Run-out'] input";
    retype(&browser.find(swing).await, "a lot" + Key::Enter).await;
    browser.wait_text(".held .fault", "whole swing").await;
    assert_eq!(browser.find(swing).await.prop("value").await.unwrap().as_deref(), Some("a lot"));
    retype(&browser.find(swing).await, "0.08" + Key::Enter).await;
    let said = browser.wait_text(".held section[aria-label='Run-out'] p", "0.040 mm").await;
    assert!(said.contains("push in until it reads 0.040 mm less"), "{said}");
    browser.keys([Key::Escape + ""]).await;
    browser.wait_text(".watch", "0.040 mm off the axis").await;
    // A register for the mate's plain part, and a plain size judged.
    browser.click_text(".actions .act", "Register, plain sizes").await;
    retype(&browser.find(".held section[aria-label='Register'] input").await, "36.5" + Key::Enter).await;
    browser.wait_text(".held section[aria-label='Register'] p", "Turn it 36.4").await;
    let plain = |n: u8| format!(".held section[aria-label='Plain sizes'] label:nth-of-type({n}) input");
    for (n, text) in [(1, "55"), (2, "0"), (3, "-0,2"), (4, "flange")] {
        retype(&browser.find(&plain(n)).await, text).await;
    }
    browser.click_text(".held .act", "Add it").await;
    browser.wait_text(".plain-line", "54.800 mm to 55.000 mm; not measured").await;
    retype(&browser.find(".plain-line input").await, "55.3" + Key::Enter).await;
    browser.wait_text(".plain-line", "0.400 mm still to come off").await;
    let job = server.job("hydrant-union").await;
    assert_eq!(job["plan"]["blank"]["plain"][0]["stands"], "take_more");
    browser.close().await;
}
