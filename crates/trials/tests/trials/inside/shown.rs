//! How lengths are spoken: each by what made it, in the unit asked.

use yoke_core::blank::drill::marked;
use yoke_core::quantity::{LengthUnit, plain_text, short_text};
use yoke_core::voice::{LatheKind, Stands, Voice};
use yoke_core::words::Vocabulary;

const MM: Voice = Voice { unit: LengthUnit::Mm, words: Vocabulary::American, stands: Stands::Desk, lathe: LatheKind::USUAL };
const IN: Voice = Voice { unit: LengthUnit::In, words: Vocabulary::British, stands: Stands::Desk, lathe: LatheKind::USUAL };

#[test]
fn each_length_with_the_places_that_can_be_had() {
    let of = |say: fn(Voice, f64) -> String, mm: f64| [say(MM, mm), say(IN, mm)];
    assert_eq!(of(Voice::length, 19.05), ["19.050 mm", "0.7500 in"]);
    assert_eq!(of(Voice::given, 19.9), ["19.9 mm", "0.7835 in"]);
    assert_eq!(of(Voice::about, 6.36), ["6.4 mm", "0.25 in"]);
    // What must be there is never told under: a hair over 1/4 in is 0.26.
    assert_eq!(of(Voice::least, 6.36), ["6.4 mm", "0.26 in"]);
    assert_eq!(of(Voice::coarse, 0.254), ["0.25 mm", "0.010 in"]);
    assert_eq!(of(Voice::coarse, 0.0406), ["0.04 mm", "0.0016 in"]);
    // 0.17 mm² is 0.17/25.4² in², in millionths of one.
    assert_eq!(of(Voice::area, 0.17), ["0.17 mm\u{b2}", "260 sq thou"]);
    assert_eq!(of(Voice::micro, 0.0127), ["13 \u{b5}m", "0.0005 in"]);
    assert_eq!(of(Voice::pitch, 25.4 / 11.5), ["2.209 mm", "11.5 TPI"]);
    assert_eq!(of(Voice::pitch, 2.5), ["2.5 mm", "0.0984 in"]);
    // 98.4 ft/min is 30 m/min; 100 lbf is 444.8 N.
    assert_eq!([MM.speed(30.0), IN.speed(30.0)], ["30 m/min", "98 ft/min"]);
    assert_eq!([MM.force(444.8), IN.force(444.8)], ["440 N", "100 lbf"]);
    assert_eq!(plain_text(-0.00001, 3), "0.000");
    assert_eq!(plain_text(-0.5, 1), "\u{2212}0.5");
    assert_eq!([short_text(100.0, 0), short_text(47.5, 2), short_text(55.0, 1), short_text(0.0, 3)], ["100", "47.5", "55", "0"]);
}

#[test]
fn along_the_work_a_rule_shows_sixty_fourths() {
    let inch = |inches: f64| IN.along(inches * 25.4);
    assert_eq!([inch(16.0 + 17.0 / 32.0), inch(2.0), inch(0.75), inch(1.0 / 64.0), inch(16.5354)], ["16 17/32 in", "2 in", "3/4 in", "1/64 in", "16.54 in"]);
    assert_eq!(MM.along(60.0), "60 mm");
}

/// Each drill a known one: fractions by construction, numbers and letters whose use everybody knows.
#[test]
fn drills_go_by_their_names() {
    let named = |inches: f64| marked(inches * 25.4, IN);
    assert_eq!([named(27.0 / 64.0), named(1.25), named(0.201), named(0.257), named(0.1590)], ["27/64 in", "1-1/4 in", "No. 7", "letter F", "No. 21"]);
    // E is a quarter, and goes by that; a metric drill is in mm in either unit.
    assert_eq!([named(0.25), marked(17.5, IN), marked(5.1, IN)], ["1/4 in", "17.5 mm", "5.1 mm"]);
    // A size no drill is marked with.
    assert_eq!(marked(6.37, IN), "0.2508 in");
}

#[test]
fn a_setting_is_said_as_a_machinist_says_it() {
    use yoke_core::cut::aloud::{aloud, number};
    let said = |turns: u32, divisions: f64| {
        let setting: yoke_core::cut::DialSetting = serde_json::from_value(serde_json::json!({"slide": "compound", "turns": turns, "divisions": divisions,
            "of": 100.0, "unit": "in", "text": "", "reading": "0.0450 in"}))
        .unwrap();
        aloud(&setting, MM)
    };
    assert_eq!(
        [said(0, 45.0), said(1, 12.0), said(2, 12.5), said(1, 0.0), said(0, 0.5), said(0, 1.0)],
        ["forty-five divisions", "one turn and twelve divisions", "two turns and twelve and a half divisions", "one turn", "half a division", "one division"]
    );
    assert_eq!(
        [number(0), number(100), number(119), number(1045), number(12_000)],
        ["nought", "one hundred", "one hundred and nineteen", "one thousand forty-five", "12000"]
    );
}
