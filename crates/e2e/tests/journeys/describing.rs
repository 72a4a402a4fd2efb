//! A lathe of one's own, from an empty shop to its first right card: six of them by the page alone, every action counted.

use thirtyfour::prelude::*;
use yoke_e2e::{Browser, Server, retype};

/// A tap, a command key and one whole typed value are an action each.
struct Owner<'a> {
    browser: &'a Browser,
    actions: usize,
}

impl Owner<'_> {
    /// Chooses an answer, or takes one of the ways on.
    async fn tap(&mut self, says: &str) {
        let that = format!("//*[self::button or self::a][normalize-space(.)='{says}' or normalize-space(b)='{says}']");
        self.browser.page.query(By::XPath(that)).first().await.unwrap_or_else(|_| panic!("nothing says {says}")).click().await.unwrap();
        self.actions += 1;
    }

    /// Writes an answer and sends it by Enter; one of several lines by its button.
    async fn write(&mut self, says: &str) {
        let lines = says.contains('\n');
        let field = self.browser.find(if lines { ".asked textarea" } else { ".asked input" }).await;
        if lines {
            retype(&field, says).await;
            self.browser.click_text(".asked .act", "Set").await;
        } else {
            retype(&field, says.to_owned() + Key::Enter).await;
        }
        self.actions += 2;
    }

    /// Waits for a question, and answers it.
    async fn answer(&mut self, asked: &str, says: Answer) {
        self.browser.wait_text(".asked h2", asked).await;
        match says {
            Tap(says) => self.tap(says).await,
            Write(says) => self.write(says).await,
        }
    }
}

#[derive(Clone, Copy)]
enum Answer {
    Tap(&'static str),
    Write(&'static str),
}
use Answer::{Tap, Write};

/// The lead a card's train cuts, by its own teeth: `40·60 / 48·127`.
fn ratio_of(card: &str) -> f64 {
    let teeth = |side: &str| side.split('·').map(|t| t.trim().parse::<f64>().ok()).collect::<Option<Vec<_>>>().map(|t| t.iter().product::<f64>());
    let train = |line: &str| line.split_once(" / ").and_then(|(a, b)| Some(teeth(a)? / teeth(b.split(',').next()?)?));
    card.lines().find_map(train).unwrap_or_else(|| panic!("no train on the card: {card}"))
}

/// From an empty shop: what is answered, then the callout; the card, and how many actions it took.
async fn first_card(answers: &[(&str, Answer)], callout: &str, holds: &str, again_at: Option<&str>) -> (String, usize) {
    let folder = tempfile::tempdir().unwrap();
    let server = Server::empty(folder.path());
    let browser = Browser::open().await;
    browser.go(&server.at("/shop")).await;
    let mut owner = Owner { browser: &browser, actions: 0 };
    owner.tap("Describe a lathe").await;
    for (asked, says) in answers {
        if again_at == Some(asked) {
            browser.wait_text(".asked h2", asked).await;
            let here = browser.script("return location.pathname + location.search").await;
            browser.go(&server.at(here.as_str().unwrap())).await;
            browser.wait_text(".asked", "Question").await;
            assert!(browser.axe().await.is_empty(), "{:?}", browser.axe().await);
        }
        owner.answer(asked, *says).await;
    }
    browser.wait_text(".asked h2", "That is all that is asked").await;
    owner.tap("To the first card").await;
    let field = browser.find("input[aria-label='Callout']").await;
    field.send_keys(callout).await.unwrap();
    owner.actions += 1;
    let card = browser.wait_text("[aria-label^='Card for']", holds).await;
    let actions = owner.actions;
    browser.close().await;
    (card, actions)
}

const MOST: usize = 25;

#[tokio::test]
async fn eight_to_the_inch_with_twelve_gears_and_a_screwed_chuck() {
    let answers = [
        ("What is its leadscrew?", Tap("8 TPI")),
        ("How is a pitch chosen?", Tap("By gears I change")),
        ("Which gears are there?", Write("20, 25, 30, 35, 40, 45, 50, 55, 60, 65, 80, 127")),
        ("How does the first gear turn?", Tap("Turn for turn with the spindle")),
        ("Is there a lever that turns the screw the other way?", Tap("There is none")),
        ("How many gears does a train have?", Tap("Two or four")),
        ("Has it a thread dial?", Tap("16 teeth, 8 marks")),
        ("What does the cross-slide’s collar say?", Tap("division 0.001 in, turn 0.1 in")),
        ("Wound in by ten divisions, how much thinner is the work?", Tap("By twenty")),
        ("And the compound’s collar?", Tap("The same as the cross-slide’s")),
        ("How far does the compound swing?", Tap("All the way round")),
        ("Has it a digital readout?", Tap("No")),
        ("What turns the spindle?", Tap("A motor")),
        ("Can it be turned backward under power?", Tap("Yes")),
        ("What stops it?", Tap("It runs out by itself")),
        ("At which speeds?", Write("50, 80, 120, 200, 320, 500")),
        ("What holds the work to the spindle?", Tap("A chuck screwed on")),
        ("Where does the tool stand?", Tap("On my side")),
        ("What stops the carriage on the bed?", Tap("Nothing")),
    ];
    let (card, actions) = first_card(&answers, "1/2-13", "40 / 65", Some("Has it a thread dial?")).await;
    assert!((ratio_of(&card) - 8.0 / 13.0).abs() < 1e-9, "{card}");
    assert!(actions <= MOST, "{actions} actions");
}

#[tokio::test]
async fn metric_with_a_lever_box() {
    let answers = [
        ("What is its leadscrew?", Tap("6 mm")),
        ("How is a pitch chosen?", Tap("By a gearbox, and gears I change")),
        ("What does the gearbox’s plate print?", Write("1 1.5 2 3\n2 3 4 6")),
        ("Which gears are there?", Write("30-60/5, 127")),
        ("How does the first gear turn?", Tap("Turn for turn with the spindle")),
        ("Is there a lever that turns the screw the other way?", Tap("Both ways, and a place between")),
        ("How many gears does a train have?", Tap("Two or four")),
        ("Has it a thread dial?", Write("14/15/16, 8")),
        ("What does the cross-slide’s collar say?", Tap("division 0.02 mm, turn 3 mm")),
        ("Wound in by ten divisions, how much thinner is the work?", Tap("By ten")),
        ("And the compound’s collar?", Tap("The same as the cross-slide’s")),
        ("How far does the compound swing?", Tap("All the way round")),
        ("Has it a digital readout?", Tap("No")),
        ("What turns the spindle?", Tap("A motor")),
        ("Can it be turned backward under power?", Tap("Yes")),
        ("What stops it?", Tap("A brake")),
        ("At which speeds?", Tap("Leave the rest")),
    ];
    let (card, actions) = first_card(&answers, "M20x2", "gearbox", None).await;
    assert!(card.contains("gearbox"), "{card}");
    assert!(actions <= MOST, "{actions} actions");
}

#[tokio::test]
async fn quick_change_with_its_gears_fixed() {
    let answers = [
        ("What is its leadscrew?", Tap("8 TPI")),
        ("How is a pitch chosen?", Tap("By a gearbox alone")),
        ("What does the gearbox’s plate print?", Write("8 9 10 11 13\n16 18 20 22 26")),
        ("How does the first gear turn?", Tap("Turn for turn with the spindle")),
        ("Is there a lever that turns the screw the other way?", Tap("Both ways")),
        ("Has it a thread dial?", Tap("16 teeth, 8 marks")),
        ("What does the cross-slide’s collar say?", Tap("division 0.001 in, turn 0.1 in")),
        ("Wound in by ten divisions, how much thinner is the work?", Tap("By ten")),
        ("And the compound’s collar?", Tap("The same as the cross-slide’s")),
        ("How far does the compound swing?", Tap("To 60° either way")),
        ("Has it a digital readout?", Tap("No")),
        ("What turns the spindle?", Tap("A motor")),
        ("Can it be turned backward under power?", Tap("Yes")),
        ("What stops it?", Tap("A clutch and a brake")),
        ("At which speeds?", Write("50 to 1800")),
        ("What holds the work to the spindle?", Tap("A chuck held by cams")),
        ("Where does the tool stand?", Tap("On my side")),
        ("What stops the carriage on the bed?", Tap("One that throws the feed out")),
    ];
    // 11 to the inch stands on the plate's first line, in its fourth place.
    let (card, actions) = first_card(&answers, "5/8-11", "A 4", Some("How far does the compound swing?")).await;
    assert!(!card.contains("127"), "{card}");
    assert!(actions <= MOST, "{actions} actions");
}

#[tokio::test]
async fn a_tiny_one_turned_by_hand_with_no_half_nut() {
    let answers = [
        ("What is its leadscrew?", Tap("1 mm")),
        ("How is a pitch chosen?", Tap("By gears that drive the compound’s own screw")),
        ("Which gears are there?", Write("20-60/5")),
        ("How does the first gear turn?", Tap("Turn for turn with the spindle")),
        ("Is there a lever that turns the screw the other way?", Tap("There is none")),
        ("How many gears does a train have?", Tap("Two or four")),
        ("What does the cross-slide’s collar say?", Tap("division 0.025 mm, turn 1 mm")),
        ("Wound in by ten divisions, how much thinner is the work?", Tap("By twenty")),
        ("Has it a digital readout?", Tap("No")),
        ("What turns the spindle?", Tap("My hand alone")),
        ("What holds the work to the spindle?", Tap("A collet on a drawbar")),
        ("Where does the tool stand?", Tap("On my side")),
    ];
    let (card, actions) = first_card(&answers, "M3", "always engaged", None).await;
    assert!((ratio_of(&card) - 0.5).abs() < 1e-9, "{card}");
    let said = card.to_lowercase();
    assert!(said.contains("always engaged") && !said.contains("half-nut") && !said.contains("rpm"), "{card}");
    assert!(actions <= MOST, "{actions} actions");
}

#[tokio::test]
async fn an_old_one_on_a_belt_with_a_tumbler() {
    let answers = [
        ("What is its leadscrew?", Tap("4 TPI")),
        ("How is a pitch chosen?", Tap("By gears I change")),
        ("Which gears are there?", Write("20-65/5, 80, 127")),
        ("How does the first gear turn?", Tap("Turn for turn with the spindle")),
        ("Is there a lever that turns the screw the other way?", Tap("Both ways, and a place between")),
        ("How many gears does a train have?", Tap("Two or four")),
        ("Has it a thread dial?", Tap("No")),
        ("What does the cross-slide’s collar say?", Tap("division 0.001 in, turn 0.2 in")),
        ("Wound in by ten divisions, how much thinner is the work?", Tap("By twenty")),
        ("And the compound’s collar?", Tap("The same as the cross-slide’s")),
        ("How far does the compound swing?", Tap("All the way round")),
        ("Has it a digital readout?", Tap("No")),
        ("What turns the spindle?", Tap("A belt from overhead")),
        ("Can it be turned backward under power?", Tap("Yes")),
        ("What stops it?", Tap("It runs out by itself")),
        ("At which speeds?", Write("30, 60, 110, 200")),
        ("What holds the work to the spindle?", Tap("A chuck screwed on")),
        ("Where does the tool stand?", Tap("On my side")),
        ("What stops the carriage on the bed?", Tap("Nothing")),
    ];
    let (card, actions) = first_card(&answers, "1-1/4-5 Acme LH", " / ", None).await;
    assert!((ratio_of(&card) - 4.0 / 5.0).abs() < 1e-9, "{card}");
    assert!(actions <= MOST, "{actions} actions");
}

#[tokio::test]
async fn a_large_one_with_a_readout() {
    let answers = [
        ("What is its leadscrew?", Write("12 mm")),
        ("How is a pitch chosen?", Tap("By gears I change")),
        ("Which gears are there?", Write("24-64/4, 80, 127")),
        ("How does the first gear turn?", Tap("Turn for turn with the spindle")),
        ("Is there a lever that turns the screw the other way?", Tap("Both ways")),
        ("How many gears does a train have?", Tap("Two or four")),
        ("Has it a thread dial?", Tap("No")),
        ("What does the cross-slide’s collar say?", Tap("division 0.05 mm, turn 5 mm")),
        ("Wound in by ten divisions, how much thinner is the work?", Tap("By ten")),
        ("And the compound’s collar?", Tap("The same as the cross-slide’s")),
        ("How far does the compound swing?", Tap("All the way round")),
        ("Has it a digital readout?", Tap("Yes, the cross-slide as diameter")),
        ("What turns the spindle?", Tap("A motor")),
        ("Can it be turned backward under power?", Tap("Yes")),
        ("What stops it?", Tap("A clutch and a brake")),
        ("At which speeds?", Write("20, 40, 80, 160, 320")),
        ("What holds the work to the spindle?", Tap("A chuck bolted on")),
        ("Where does the tool stand?", Tap("Leave the rest")),
    ];
    let (card, actions) = first_card(&answers, "Tr40x6", " / ", None).await;
    assert!((ratio_of(&card) - 0.5).abs() < 1e-9, "{card}");
    assert!(actions <= MOST, "{actions} actions");
}
