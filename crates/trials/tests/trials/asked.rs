//! A lathe told by answering what it is asked: each answer sets its own fields and no other, stands as chosen, and gives a sound lathe.

use proptest::prelude::*;
use serde_json::{Value, json};
use yoke_core::faults::read_json;
use yoke_core::job::{LatheProfile, checked};
use yoke_core::shop::{Ask, Choice, Part, Question, Told, answer, keep_sources, look, put, questions};
use yoke_core::voice::Voice;
use yoke_core::words::Vocabulary;
use yoke_trials::{SinglePoint, sound};

fn read(lathe: &Value) -> LatheProfile {
    let (profile, faults) = read_json::<LatheProfile>(lathe.clone());
    assert!(faults.is_empty(), "{faults:?} in {lathe}");
    profile
}

fn asked(lathe: &Value) -> Vec<Question> {
    questions(&read(lathe), Voice::default())
}

/// Answers one question; the fields set, by their pointers.
fn told(lathe: &mut Value, ask: Ask, says: &str) -> Vec<&'static str> {
    let sets = answer(&read(lathe), ask, says, Voice::default()).unwrap_or_else(|f| panic!("{ask:?}, {says}: {}", f.detail));
    let at = sets.iter().map(|(at, _)| *at).collect();
    put(lathe, sets);
    at
}

fn lathe(answers: &[(Ask, &str)]) -> Value {
    let mut lathe = json!({});
    for (ask, says) in answers {
        assert!(asked(&lathe).iter().any(|q| q.ask == *ask), "{ask:?} is not asked of {lathe}");
        told(&mut lathe, *ask, says);
    }
    lathe
}

/// Every field of a value that is no object, by its pointer.
fn leaves(at: &str, value: &Value, out: &mut Vec<(String, Value)>) {
    match value {
        Value::Object(map) if !map.is_empty() => map.iter().for_each(|(key, value)| leaves(&format!("{at}/{key}"), value, out)),
        _ => out.push((at.to_owned(), value.clone())),
    }
}

proptest! {
    #![proptest_config(ProptestConfig::with_cases(yoke_trials::cases(300)))]

    /// Any answers in any order: nothing is changed but what is answered, it stands as chosen, and the lathe is sound.
    #[test]
    fn an_answer_sets_its_own_fields_and_stands(picks in prop::collection::vec((any::<prop::sample::Index>(), any::<prop::sample::Index>()), 1..40)) {
        let mut own = json!({"name": "Any"});
        for (which, choice) in picks {
            let all: Vec<Question> = asked(&own).into_iter().filter(|q| !q.choices.is_empty() || !q.common.is_empty()).collect();
            let question = &all[which.index(all.len())];
            let choices: Vec<&Choice> = question.choices.iter().chain(&question.common).collect();
            let chosen = choices[choice.index(choices.len())];
            let before = own.clone();
            let fields = told(&mut own, question.ask, &chosen.value);
            let of = |lathe: &Value| { let mut out = Vec::new(); leaves("", lathe, &mut out); out };
            let (was, is) = (of(&before), of(&own));
            // What there was none of, or was an empty part, is replaced whole by what is told of it.
            let about = |at: &str| fields.iter().any(|f| at.starts_with(f) || f.starts_with(at));
            for (at, value) in was.iter().chain(&is).filter(|(at, _)| !about(at)) {
                prop_assert!(was.contains(&(at.clone(), value.clone())) && is.contains(&(at.clone(), value.clone())), "{:?} changed {at}", question.ask);
            }
            prop_assert!(checked(&read(&own), Voice::default()).is_ok(), "{own}");
            let now = asked(&own);
            let again = now.iter().find(|q| q.ask == question.ask).expect("what was answered is still asked");
            prop_assert!(again.told, "{:?} is not told in {own}", question.ask);
            let stands = again.choices.iter().chain(&again.common).find(|c| c.value == chosen.value);
            prop_assert!(stands.is_some_and(|c| c.chosen), "{:?} {} does not stand in {own}", question.ask, chosen.value);
        }
    }
}

#[test]
fn none_is_told_apart_from_not_told() {
    let untold = |lathe: &Value| checked(&read(lathe), Voice::default()).unwrap().lathe.untold;
    let mut own = lathe(&[(Ask::Screw, "8 TPI"), (Ask::Pitches, "gears")]);
    assert!(untold(&own).iter().any(|f| f.field() == "dial"));
    told(&mut own, Ask::Dial, "none");
    assert_eq!(own["dial"], Value::Null);
    assert!(own.as_object().unwrap().contains_key("dial") && !untold(&own).iter().any(|f| f.field() == "dial"));
    told(&mut own, Ask::Dial, "14/15/16, 8");
    assert_eq!(own["dial"], json!({"teeth": [14, 15, 16], "marks": 8}));
    // A plate told and then none is none; the box taken up again is not told, and is asked.
    told(&mut own, Ask::Pitches, "box_and_gears");
    told(&mut own, Ask::Plate, "8 9 10\n16 18 20");
    assert_eq!(own["plate"]["unit"], "in");
    told(&mut own, Ask::Pitches, "gears");
    assert!(own.get("plate").is_none() && own["gearbox"].is_null() && !asked(&own).iter().any(|q| q.ask == Ask::Plate));
    told(&mut own, Ask::Pitches, "box");
    let plate = asked(&own).into_iter().find(|q| q.ask == Ask::Plate).unwrap();
    assert!(!plate.told && own["gears"] == "fixed" && !asked(&own).iter().any(|q| q.ask == Ask::Gears));
    // Having no gears to change is having them fixed, whichever of the two fields told it, until they are said to be changed.
    for field in ["gears", "gear_groups"] {
        let mut none = json!({ field: null });
        assert!(!asked(&none).iter().any(|q| q.ask == Ask::Gears), "{field}");
        told(&mut none, Ask::Pitches, "gears");
        assert!(asked(&none).iter().any(|q| q.ask == Ask::Gears), "{field}: {none}");
    }
}

#[test]
fn what_does_not_read_says_how_it_would_and_nothing_is_set() {
    let own = read(&json!({}));
    for (ask, text) in [
        (Ask::Screw, "8"),
        (Ask::Screw, "eight TPI"),
        (Ask::Screw, "TPI"),
        (Ask::Stud, "half"),
        (Ask::Dial, "16 teeth"),
        (Ask::CrossSlide, "0.001, 0.1"),
        (Ask::CrossSlide, "0.001 in"),
        (Ask::CrossSlide, "in mm"),
        (Ask::Swing, "60"),
        (Ask::Speeds, ""),
        (Ask::Speeds, "fast"),
        (Ask::Plate, ""),
        (Ask::Plate, "8 nine 10"),
        (Ask::Compound, "same"),
        (Ask::Chuck, "glue"),
        (Ask::Pitches, ""),
        (Ask::Arm, "7"),
    ] {
        let fault = answer(&own, ask, text, Voice::default()).expect_err(text);
        assert_eq!(fault.pointer, "/says");
        assert!(fault.detail.len() > 20 && !fault.detail.contains('{'), "{ask:?} {text}: {}", fault.detail);
    }
    assert_eq!(answer(&own, Ask::Speeds, "50-1800", Voice::default()).unwrap(), vec![("/speeds_rpm", Told::Is(json!({"from": 50, "to": 1800})))]);
    assert_eq!(answer(&own, Ask::Screw, "1,5 mm", Voice::default()).unwrap()[0], ("/leadscrew/pitch_mm", Told::Is(json!("3/2"))));
}

/// Six lathes as their owners would tell them, and what they cut reckoned from the gears and the screw alone.
#[test]
fn six_lathes_told_by_answers_cut_what_their_gears_say() {
    let told_so = [
        // 8 TPI, twelve gears, a screwed chuck.
        (
            vec![(Ask::Screw, "8 TPI"), (Ask::Pitches, "gears"), (Ask::Gears, "20, 25, 30, 35, 40, 45, 50, 55, 60, 63, 65, 127"), (Ask::Dial, "16, 8")],
            8.0_f64.recip() * 25.4,
            ["1-8 UNC", "M12x1.25", "1/2-13 UNC"],
        ),
        // Metric, a lever box and gears.
        (
            vec![(Ask::Screw, "6 mm"), (Ask::Pitches, "box_and_gears"), (Ask::Plate, "1 2 3\n0.5 1 1.5"), (Ask::Gears, "30-60/5, 127")],
            6.0,
            ["M24x3", "M10x1", "M12x1.5"],
        ),
        // Quick-change, gears fixed.
        (vec![(Ask::Screw, "8 TPI"), (Ask::Pitches, "box"), (Ask::Plate, "8 9 10 11 13\n16 18 20 22 26")], 25.4 / 8.0, ["1-8 UNC", "5/8-11 UNC", "3/4-10 UNC"]),
        // Tiny: a hand crank, a 1 mm slide screw, no half-nut.
        (vec![(Ask::Screw, "1 mm"), (Ask::Pitches, "slide"), (Ask::Gears, "20-50/5"), (Ask::Drive, "hand")], 1.0, ["M6x1", "M3x0.5", "M4x0.7"]),
        // Old, on a belt, with a tumbler.
        (
            vec![
                (Ask::Screw, "4 TPI"),
                (Ask::Pitches, "gears"),
                (Ask::Gears, "20-65/5, 127"),
                (Ask::Tumbler, "both"),
                (Ask::Drive, "belt"),
                (Ask::Reverses, "yes"),
            ],
            25.4 / 4.0,
            ["1-8 UNC", "1-1/4-5 Acme", "M20x2.5"],
        ),
        // Large, with a readout.
        (
            vec![(Ask::Screw, "12 mm"), (Ask::Pitches, "gears"), (Ask::Gears, "24-64/4, 127"), (Ask::Readout, "diameter"), (Ask::Chuck, "cam_lock")],
            12.0,
            ["M30x3", "Tr40x6", "M64x4"],
        ),
    ];
    for (answers, screw_mm, threads) in told_so {
        let own = lathe(&answers);
        for callout in threads {
            let plan = sound(json!({"thread": {"callout": callout}, "lathe": own}));
            let hung = plan.point().gears.hung.as_ref().unwrap_or_else(|| panic!("{callout} on {own}: no train"));
            let product = |teeth: &[u16]| teeth.iter().map(|t| f64::from(*t)).product::<f64>();
            let named = plan.point().gears.trains.iter().find(|t| t.gearbox == hung.train.gearbox).map(|t| t.gearbox.clone()).unwrap_or_default();
            let plate = checked(&read(&own), Voice::default()).unwrap().lathe;
            let lever = plate.gearbox.iter().find(|p| p.name == named).map_or(1.0, |p| *p.ratio.0.numer() as f64 / *p.ratio.0.denom() as f64);
            let lead = product(&hung.train.drivers) / product(&hung.train.driven) * lever * screw_mm;
            let wanted = plan.thread.lead_mm.value;
            assert!((lead / wanted - 1.0).abs() < 2e-3, "{callout} on {own}: {lead} for {wanted}");
            assert!((hung.lead_mm.value - lead).abs() < 1e-6 * lead, "{callout}: says {} and cuts {lead}", hung.lead_mm.value);
        }
    }
}

/// Questions and what is answered to them.
type Answers<'a> = &'a [(Ask, &'a str)];

/// The same six told to the last question, and no sentence of theirs that speaks of what they have not.
#[test]
fn six_lathes_told_by_answers_hear_nothing_of_what_they_have_not() {
    let common = [(Ask::Stud, "1/1"), (Ask::CrossSlide, "0.02 mm, 2 mm"), (Ask::Reads, "radius"), (Ask::Post, "front"), (Ask::Stop, "none")];
    let changed = [(Ask::Compound, "same"), (Ask::Swing, "60 to -60")];
    let powered = [(Ask::Drive, "motor"), (Ask::Reverses, "yes"), (Ask::Speeds, "50, 80, 120, 200, 320, 500"), (Ask::Readout, "none")];
    let six: [(Answers<'_>, Answers<'_>, &[&str]); 6] = [
        (
            &[
                (Ask::Screw, "8 TPI"),
                (Ask::Pitches, "gears"),
                (Ask::Gears, "20, 25, 30, 35, 40, 45, 50, 55, 60, 63, 65, 127"),
                (Ask::Tumbler, "none"),
                (Ask::Dial, "16, 8"),
                (Ask::Chuck, "cam_lock"),
            ],
            &powered,
            &["tumbler", "readout", "gearbox", "screws on", "treadle", "crank"],
        ),
        (
            &[
                (Ask::Screw, "6 mm"),
                (Ask::Pitches, "box_and_gears"),
                (Ask::Plate, "1 2 3\n0.5 1 1.5"),
                (Ask::Gears, "30-60/5, 127"),
                (Ask::Dial, "none"),
                (Ask::Chuck, "bolted"),
            ],
            &powered,
            &["readout", "screws on", "treadle", "crank", "dial gear"],
        ),
        (
            &[(Ask::Screw, "8 TPI"), (Ask::Pitches, "box"), (Ask::Plate, "8 9 10 11 13\n16 18 20 22 26"), (Ask::Dial, "16, 4"), (Ask::Chuck, "cam_lock")],
            &powered,
            &["isolate", "hang ", "guard off", "gear to buy", "change gears", "slip of", "readout", "screws on"],
        ),
        (
            &[
                (Ask::Screw, "1 mm"),
                (Ask::Pitches, "slide"),
                (Ask::Gears, "20-50/5"),
                (Ask::Tumbler, "none"),
                (Ask::Readout, "none"),
                (Ask::Drive, "hand"),
                (Ask::Chuck, "drawbar"),
            ],
            &[],
            &["half-nut", "clasp nut", "schlossmutter", " rpm", "isolate", "under power", "thread dial", "readout", "tumbler", "screws on"],
        ),
        (
            &[
                (Ask::Screw, "4 TPI"),
                (Ask::Pitches, "gears"),
                (Ask::Gears, "20-65/5, 80, 127"),
                (Ask::Tumbler, "both_neutral"),
                (Ask::Dial, "none"),
                (Ask::Chuck, "screwed"),
            ],
            &[(Ask::Drive, "belt"), (Ask::Reverses, "yes"), (Ask::Stops, "neither"), (Ask::Speeds, "40 to 400"), (Ask::Readout, "none")],
            &["readout", "gearbox", "treadle", "crank", "dial gear"],
        ),
        (
            &[
                (Ask::Screw, "12 mm"),
                (Ask::Pitches, "gears"),
                (Ask::Gears, "24-64/4, 127"),
                (Ask::Tumbler, "both"),
                (Ask::Dial, "12, 4"),
                (Ask::Readout, "diameter"),
                (Ask::Chuck, "cam_lock"),
            ],
            &[(Ask::Drive, "motor"), (Ask::Reverses, "yes"), (Ask::Speeds, "20, 40, 80, 160")],
            &["screws on", "gearbox", "treadle", "crank"],
        ),
    ];
    for (own, more, unheard) in six {
        let slides: &[(Ask, &str)] = if unheard.contains(&" rpm") { &[] } else { &changed };
        let mut told_so = json!({});
        for (ask, says) in own.iter().chain(&common).chain(slides).chain(more) {
            told(&mut told_so, *ask, says);
        }
        crate::kinds::says_none_in(&told_so, unheard, &[Vocabulary::American], 3);
    }
}

/// Where a figure came from stands through every change but its own; a figure told otherwise is simply told.
#[test]
fn where_a_figure_came_from_is_changed_by_nothing_but_itself() {
    let came = |lathe: &Value, part: Part| look(&read(lathe), Voice::default()).unwrap().parts.into_iter().find(|p| p.part == part).unwrap().came;
    let mut own = lathe(&[(Ask::Screw, "8 TPI"), (Ask::Pitches, "box_and_gears"), (Ask::Plate, "8 9\n16 18"), (Ask::Gears, "20-65/5")]);
    own["fixed_ratio"] = json!("2/3");
    own["dial"] = json!({"teeth": 16, "marks": 8});
    own["sources"] = json!({"fixed_ratio": "trial", "dial.teeth": "trial"});
    let measured = Some("measured".to_owned());
    assert_eq!(
        [came(&own, Part::Stud), came(&own, Part::Dial), came(&own, Part::Gearbox)],
        [measured.clone(), measured.clone(), Some("from its plate".into())]
    );
    let change = |own: &mut Value, with: &dyn Fn(&mut Value)| {
        let before = own.clone();
        with(own);
        keep_sources(&before, own);
    };
    // Others told: both stand.
    for (ask, says) in [(Ask::Chuck, "screwed"), (Ask::CrossSlide, "0.001 in, 0.1 in"), (Ask::Tumbler, "both"), (Ask::Speeds, "50, 100")] {
        change(&mut own, &|own| _ = told(own, ask, says));
        assert_eq!([came(&own, Part::Stud), came(&own, Part::Dial)], [measured.clone(), measured.clone()], "{ask:?}");
    }
    // One figure of the spindle told leaves the others assumed, and says so.
    assert_eq!(came(&own, Part::Spindle).as_deref(), Some("partly assumed"));
    // The dial told by hand is told; the ratio stands. Told none, nothing is said of where it came from.
    change(&mut own, &|own| _ = told(own, Ask::Dial, "14, 8"));
    assert_eq!([came(&own, Part::Stud), came(&own, Part::Dial)], [measured.clone(), None]);
    change(&mut own, &|own| own["sources"]["dial.teeth"] = json!("trial"));
    assert_eq!(came(&own, Part::Dial), measured);
    change(&mut own, &|own| _ = told(own, Ask::Dial, "none"));
    assert_eq!((came(&own, Part::Dial), &own["sources"]), (None, &json!({"fixed_ratio": "trial"})));
}
