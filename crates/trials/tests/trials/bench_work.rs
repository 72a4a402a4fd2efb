//! Blank, set-up and cut as they meet real lathes: dials, directions, reliefs, cautions.

use proptest::prelude::*;
use serde_json::{Value, json};
use yoke_core::cut::{PassKind, SlideName};
use yoke_core::direction::{Carriage, Hand, Spindle};
use yoke_core::job::{Ending, Style};
use yoke_core::setup::SpeedLimit;
use yoke_trials::{SinglePoint, demo_lathe, on, reckon, sound, watches};

fn with(index: usize, mut request: Value) -> yoke_core::plan::Plan {
    request["lathe"] = demo_lathe(index);
    sound(request)
}

#[test]
fn each_dial_is_read_in_its_own_way() {
    // Long bed: compound in thousandths of an inch, travel as it moves.
    let plan = on(0, "M20x2.5");
    let row = &plan.point().cut.passes[3];
    let reading: f64 = row.dial[0].reading.trim_end_matches(" in").parse().unwrap();
    assert!((reading * 25.4 - row.compound_mm).abs() < 1e-6 && row.dial[0].slide == SlideName::Compound);
    // Gap bed, straight in: the cross-slide is marked in diameter, so it shows twice the depth.
    let plan = with(1, json!({"thread": {"callout": "M20x2.5"}, "cut": {"style": "radial"}}));
    let row = &plan.point().cut.passes[3];
    let reading: f64 = row.dial[0].reading.trim_end_matches(" mm").parse().unwrap();
    assert!((reading - 2.0 * row.radial_mm).abs() < 1e-6 && row.dial[0].slide == SlideName::CrossSlide);
    assert_eq!(row.compound_mm, 0.0);
    // 3 mm a turn of 0.02: 150 divisions, and turns are counted.
    let last = plan.point().cut.full_depth.clone().unwrap();
    assert_eq!(last.of, 150.0);
    let shown: f64 = last.reading.trim_end_matches(" mm").parse().unwrap();
    assert!((f64::from(last.turns) * 3.0 + last.divisions * 0.02 - shown).abs() < 1e-9);
    // Bench: the compound all but fixed, so it is straight in unless asked otherwise, and then it is said.
    assert_eq!(on(2, "M10").point().cut.style, Style::Radial);
    let forced = with(2, json!({"thread": {"callout": "M10"}, "cut": {"style": "flank"}}));
    assert!(watches(&forced, "danger", "compound_swing"));
}

#[test]
fn the_angle_is_given_on_the_lathes_own_scale() {
    assert!(on(0, "M20").point().cut.scale.contains("29.5°"));
    assert!(on(1, "M20").point().cut.scale.contains("60.5°"), "the Gap bed's scale counts from the bed");
    let steep = with(0, json!({"thread": {"callout": "M20"}, "cut": {"compound_angle_deg": 31.0}}));
    assert!(watches(&steep, "danger", "compound_angle"));
    assert!(on(0, "M20").point().cut.bench.iter().all(|b| b.radial_mm.value > 0.0));
}

#[test]
fn the_schedule_has_scratch_cuts_and_springs() {
    let plan = with(0, json!({"thread": {"callout": "7/8-9 UNC"}, "bit": {"tip_flat_mm": 0.353}, "cut": {"passes": 9, "spring_passes": 3}}));
    let kinds: Vec<PassKind> = plan.point().cut.passes.iter().map(|p| p.kind).collect();
    assert_eq!((kinds[0], kinds.len()), (PassKind::Scratch, 13));
    assert!(kinds[1..10].iter().all(|k| *k == PassKind::Cut) && kinds[10..].iter().all(|k| *k == PassKind::Spring));
    assert!((0.02..=0.08).contains(&plan.point().cut.passes[0].radial_mm));
    assert!(plan.point().cut.passes[10..].iter().all(|p| p.radial_mm == plan.point().cut.passes[9].radial_mm), "a spring pass goes no deeper");
    let over: Vec<bool> = plan.point().cut.passes.iter().map(|p| p.over_wires_mm.is_some()).collect();
    assert!(!over[0] && over[12], "wires do not bear at first, and do at the end");
    assert!(over.windows(2).all(|w| w[0] <= w[1]), "once they bear they go on bearing");
}

#[test]
fn direction_hand_and_danger_go_together() {
    let cases = [
        // lathe, callout, way, spindle forward, toward, hand cut
        (0, "M20", "auto", true, true, Hand::Right),
        (0, "M20 LH", "auto", true, false, Hand::Left),
        (0, "M20", "away", false, false, Hand::Right),
        (0, "M20 LH", "toward", false, true, Hand::Left),
        (1, "M36x1.5-6H LH", "auto", true, false, Hand::Left),
    ];
    for (lathe, callout, way, forward, toward, hand) in cases {
        let plan = with(lathe, json!({"thread": {"callout": callout}, "setup": {"way": way}}));
        let setup = &plan.point().setup;
        assert_eq!(
            (setup.spindle == Spindle::Forward, setup.carriage == Carriage::TowardHeadstock, setup.hand_cut),
            (forward, toward, hand),
            "{callout} {way}"
        );
        assert!(!watches(&plan, "danger", "wrong_hand"), "{callout} {way}");
    }
    // The Bench's chuck screws on: the reversed cut is a danger there and not on the Long bed.
    let reversed = json!({"thread": {"callout": "M16x2"}, "setup": {"way": "away"}});
    assert!(watches(&with(2, reversed.clone()), "danger", "chuck_unscrews"));
    assert!(!watches(&with(0, reversed), "danger", "chuck_unscrews"));
    // A lathe that cannot reverse, told to run the wrong way, would cut the wrong hand.
    let mut fixed = demo_lathe(0);
    fixed["spindle"]["reverses"] = json!(false);
    let plan = sound(json!({"thread": {"callout": "M20"}, "lathe": fixed, "setup": {"way": "away"}}));
    assert_eq!(plan.point().setup.hand_cut, Hand::Left);
    assert!(watches(&plan, "danger", "wrong_hand"));
}

#[test]
fn the_ending_follows_the_dial_and_opening_where_it_cannot_serve_is_a_danger() {
    assert_eq!(on(0, "3/4-10").point().setup.ending, Ending::Dial);
    assert_eq!(on(0, "M20").point().setup.ending, Ending::Closed);
    let unsafe_dial = with(0, json!({"thread": {"callout": "M20"}, "setup": {"ending": "dial"}}));
    assert!(watches(&unsafe_dial, "danger", "dial_unsafe"));
    assert_eq!(with(0, json!({"thread": {"callout": "M20"}, "setup": {"ending": "same_mark"}})).point().setup.ending, Ending::SameMark);
}

#[test]
fn speed_is_one_the_lathe_has_and_stops_in_the_room() {
    for (lathe, callout) in [(0, "M20"), (1, "7/8-9 UNC"), (2, "M16x2"), (1, "Tr")] {
        if callout == "Tr" {
            continue;
        }
        for runout in [2.0, 6.0, 20.0] {
            let plan = with(lathe, json!({"thread": {"callout": callout}, "setup": {"runout_mm": runout, "reaction_s": 0.5}}));
            let rpm = plan.point().setup.speed_and_limit().unwrap()[0];
            let lead = plan.thread.lead_mm.value;
            let needs = lead * rpm * 0.5 / 60.0;
            let slowest = [27.0, 32.0, 50.0][lathe];
            assert!(needs <= runout + 1e-9 || (rpm - slowest).abs() < 1e-9, "{callout}: {rpm} rpm needs {needs} of {runout}");
            let surface = std::f64::consts::PI * plan.thread.major_mm.value * rpm / 1000.0;
            assert!(surface <= 12.0 + 1e-9 || (rpm - slowest).abs() < 1e-9, "{surface} m/min in mild steel");
        }
    }
    assert_eq!(with(0, json!({"thread": {"callout": "1-8"}, "setup": {"runout_mm": 2.0}})).point().setup.speed_limit, SpeedLimit::Stopping);
    assert!(watches(&with(0, json!({"thread": {"callout": "1-8"}, "setup": {"runout_mm": 2.0, "spindle_rpm": 365}})), "danger", "stopping"));
}

#[test]
fn the_relief_clears_the_deepest_the_tip_goes_and_is_rechecked_with_the_tip() {
    for flat in [0.0, 0.1, 0.3125, 0.5] {
        let plan = with(0, json!({"thread": {"callout": "M20x2.5"}, "blank": {"shoulder": true}, "bit": {"tip_flat_mm": flat}}));
        let relief = plan.blank.relief.as_ref().unwrap();
        // The tip at the low limit, by its own geometry: half the pitch line's gap over tan 30°, less the flat's share.
        let reach = (2.5 / 2.0 - flat) / 2.0 / 30_f64.to_radians().tan();
        let deepest = 18.164 - 2.0 * reach;
        assert!((relief.diameter_mm.value - (deepest - 0.2)).abs() < 1e-9, "flat {flat}");
        assert!(relief.width_mm.value >= 5.0, "never under two pitches");
    }
    let narrow = with(0, json!({"thread": {"callout": "M20x2.5"}, "blank": {"shoulder": true, "relief_width_mm": 2.0, "relief_diameter_mm": 17.0}}));
    assert!(watches(&narrow, "danger", "relief_narrow") && watches(&narrow, "danger", "relief_shallow"));
    // A left-hand thread starts in the relief: the whole cut stands in it, and nothing needs stopping there.
    let left = with(0, json!({"thread": {"callout": "M20x2.5 LH"}, "blank": {"shoulder": true, "relief_width_mm": 2.0}}));
    assert!(left.watch.iter().any(|w| w.code.name() == "relief_narrow" && w.text.contains("to start in")));
    let inside = with(1, json!({"thread": {"callout": "M36x1.5-6H"}, "blank": {"shoulder": true}})).blank;
    assert!(inside.relief.unwrap().diameter_mm.value > 36.0, "a bore's relief is larger than its thread");
}

#[test]
fn the_bore_by_share_of_thread_is_the_bench_rule_at_77() {
    let plan = with(1, json!({"thread": {"callout": "M20x2.5-6H"}, "blank": {"engagement_percent": 76.98}}));
    assert!((plan.blank.aim_mm.value - 17.5).abs() < 1e-4, "D − P");
    let bore = plan.blank.bore.unwrap();
    assert!((bore.share_percent.value - 76.98).abs() < 1e-9);
    // The nearest drill half a millimetre under it that the yard owns: 43/64 in is 17.066, and 17 mm is less.
    assert_eq!(bore.drill_mm.unwrap().text, "17 mm");
    let faults = reckon(json!({"thread": {"callout": "M20-6g"}, "blank": {"engagement_percent": 75}})).unwrap_err();
    assert_eq!(faults[0].pointer, "/blank/engagement_percent");
    assert!(watches(&with(1, json!({"thread": {"callout": "M20-6H"}, "blank": {"engagement_percent": 40}})), "warn", "bore_limits"));
}

#[test]
fn every_threshold_speaks_and_a_plain_good_job_is_quiet() {
    let cases = [
        (json!({"blank": {"diameter_mm": 20.2}}), "warn", "blank_size"),
        (json!({"blank": {"diameter_mm": 19.2}}), "warn", "blank_size"),
        (json!({"bit": {"tip_flat_mm": 0.9}}), "warn", "tip_too_wide"),
        (json!({"bit": {"tip_flat_mm": 0.0}}), "warn", "root_past_minor"),
        (json!({"bit": {"included_angle_deg": 58.0}}), "warn", "bit_angle"),
        (json!({"gauge": {"wires_mm": [0.5]}}), "warn", "wire_unusable"),
        (json!({"gauge": {"wires_mm": []}}), "warn", "wire_unusable"),
        (json!({"cut": {"target_pitch_diameter_mm": 18.0}}), "warn", "target_limits"),
        (json!({}), "note", "assumed_default"),
    ];
    for (facts, level, code) in cases {
        let mut request = json!({"thread": {"callout": "M20x2.5-6g"}});
        for (key, value) in facts.as_object().unwrap() {
            request[key] = value.clone();
        }
        let plan = with(0, request);
        assert!(watches(&plan, level, code), "{facts}: {:?}", plan.watch);
    }
    let good = with(
        0,
        json!({"thread": {"callout": "M20x2.5-6g", "length_mm": 60}, "blank": {"diameter_mm": 19.85, "material": "mild_steel", "support": "centre"}, "bit": {"tip_flat_mm": 0.32}}),
    );
    assert!(good.watch.iter().all(|w| w.level == yoke_core::watch::Level::Note), "{:?}", good.watch);
    assert!(good.watch.windows(2).all(|w| w[0].level <= w[1].level));
    let mut short = demo_lathe(0);
    short["compound"]["travel_mm"] = json!(1.0);
    assert!(watches(&sound(json!({"thread": {"callout": "M20"}, "lathe": short})), "danger", "compound_travel"));
}

#[test]
fn british_and_american_say_the_same_in_their_own_words() {
    let say = |words: &str| {
        let plan = with(0, json!({"thread": {"callout": "M20"}, "words": words}));
        (plan.point().cut.scale.clone(), plan.point().gears.dial.says.clone())
    };
    let (american, british) = (say("american"), say("british"));
    assert!(american.0.contains("compound") && american.1.contains("half-nut"));
    assert!(british.0.contains("top slide") && british.1.contains("clasp nut"));
}

proptest! {
    #![proptest_config(ProptestConfig::with_cases(50))]

    /// What is set and what is asked never part by more than a quarter of a division, and the residue never adds up.
    #[test]
    fn the_residue_is_never_lost(pitch in prop::sample::select(&["M10", "M20", "1/2-13", "1-8"]), lathe in 0_usize..3, passes in 2_i64..40) {
        let plan = with(lathe, json!({"thread": {"callout": pitch}, "cut": {"passes": passes}}));
        let half = plan.point().cut.dial.graduation_mm / 2.0 / plan.point().cut.dial.reading_per_radial;
        let last = plan.point().cut.passes.last().unwrap().radial_mm;
        for row in plan.point().cut.passes.iter().filter(|p| p.kind == PassKind::Cut && p.radial_mm < last) {
            prop_assert!((row.radial_mm - row.asked_radial_mm.value).abs() <= half / 2.0 + 1e-8);
        }
        let short = plan.point().cut.radial_mm.value - last;
        prop_assert!((-1e-8..half + 1e-8).contains(&short), "the last stops short by less than half a division: {short}");
    }
}

#[test]
fn work_too_thin_for_a_steady_is_not_told_to_have_one() {
    for (callout, wants) in [("M1.2", false), ("M2", false), ("M8", true)] {
        let plan = with(0, json!({"thread": {"callout": callout, "length_mm": if wants { 60 } else { 6 }}}));
        let line = plan.check.lines.iter().find(|l| l.code == "stick_out").unwrap();
        assert_eq!(line.state, yoke_core::plan::State::Bad, "{}", line.says);
        let change = line.cure.as_ref().unwrap().change.as_ref();
        assert_eq!(change.is_some(), wants, "{callout}: {}", line.says);
    }
}

#[test]
fn a_number_of_passes_told_is_said_as_it_was_told() {
    let plan = with(0, json!({"thread": {"callout": "M24"}, "cut": {"passes": 200}}));
    let says = &plan.watch.iter().find(|w| w.code == yoke_core::watch::Code::Passes).unwrap().text;
    let cut = plan.point().cut.passes.iter().filter(|p| p.kind == yoke_core::cut::PassKind::Cut).count();
    assert!(says.starts_with("200 passes, as told for the whole depth") && says.contains(&format!("{cut} of them")) && !says.contains("0.000"), "{says}");
}
