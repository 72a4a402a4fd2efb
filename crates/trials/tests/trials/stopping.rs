//! Stopping and starting: by the hand, the coasting and the body of the bit, each told once and the same everywhere.

use proptest::prelude::*;
use serde_json::{Value, json};
use yoke_core::plan::{CheckLine, Plan, State};
use yoke_core::sheets::setup_sheet;
use yoke_core::thread::series::standards;
use yoke_trials::{SinglePoint, demo_lathe, reckon, settled, sound, watches};

fn line<'a>(plan: &'a Plan, code: &str) -> &'a CheckLine {
    plan.check.lines.iter().find(|l| l.code == code).unwrap()
}

/// How far the carriage runs on at a speed, told apart from the core: reaction, then coasting as the square of the speed.
fn runs_on(lead: f64, rpm: f64, reaction: f64, coast: Option<(f64, f64)>) -> f64 {
    lead * rpm / 60.0 * reaction + coast.map_or(0.0, |(turns, from)| lead * turns * (rpm / from).powi(2))
}

proptest! {
    #![proptest_config(ProptestConfig::with_cases(200))]

    /// The speed chosen stops in the room there is, is under 6 mm/s and 250 rpm, or is the slowest and said to be over.
    #[test]
    fn no_speed_runs_past_its_room(i in 0..standards().len(), closed: bool, lathe in 0_usize..3, width in prop::option::of(1.0_f64..30.0), turns in 0.0_f64..4.0) {
        let one = &standards()[i];
        let mut on = demo_lathe(lathe);
        on["spindle"]["coast_turns"] = json!(turns);
        on["spindle"]["coast_at_rpm"] = json!(120);
        let ending = if closed { "closed" } else { "chalk_marks" };
        let plan = sound(json!({"thread": {"callout": one.name}, "lathe": on, "setup": {"ending": ending, "way": "toward"},
            "blank": {"shoulder": true, "relief_width_mm": width}, "bit": {"body_ahead_mm": 3}}));
        let (lead, n) = (plan.thread.lead_mm.value, plan.point().setup.speed_and_limit().unwrap()[0]);
        let on = runs_on(lead, n, if closed { 0.7 } else { 0.5 }, closed.then_some((turns, 120.0)));
        prop_assert!((on - plan.point().setup.stopping_mm.value).abs() < 1e-6, "{}: {on}", one.name);
        let slowest = plan.point().setup.lathe_speeds.slowest();
        prop_assert!(n <= slowest + 1e-9 || (lead * n / 60.0 <= 6.0 + 1e-9 && n <= 250.0 + 1e-9), "{}: {n} rpm, {} mm/s", one.name, lead * n / 60.0);
        let needed = plan.blank.relief.as_ref().unwrap().width_mm.value;
        match width {
            // What is there holds what is run on, or it is red, or the lathe goes no slower and that is red.
            Some(there) => prop_assert!(there >= needed - 1e-6 || line(&plan, "relief_width").state == State::Bad),
            None => prop_assert!(n <= slowest + 1e-9 || on <= needed),
        }
        prop_assert!(n <= plan.point().setup.speed_and_limit().unwrap()[1] + 1e-9 || line(&plan, "speed").state != State::Good);
    }

    /// Cut away from a shoulder: one start, in the mark, the step and the check, with no run-up and nothing to stop for there.
    #[test]
    fn a_start_in_the_groove_is_one_number(i in 0..standards().len(), ahead in 0.0_f64..8.0, play in 0.0_f64..2.0, wider in 0.0_f64..2.0) {
        let one = &standards()[i];
        let of = |width: Value| json!({"thread": {"callout": one.name, "hand": "left", "length_mm": 60}, "setup": {"backlash_mm": play},
            "blank": {"shoulder": true, "relief_width_mm": width}, "bit": {"body_ahead_mm": ahead, "tip_flat_mm": 0.1 * one.pitch.numer().to_string().parse::<f64>().unwrap() / one.pitch.denom().to_string().parse::<f64>().unwrap()}});
        let Ok(plan) = reckon(of(Value::Null)) else { return Ok(()) };
        let needed = plan.blank.relief.as_ref().unwrap().width_mm.value;
        prop_assert!(plan.point().setup.run_up_mm.value.abs() < 1e-12);
        let request = of(json!((needed + wider) * 1.0001));
        let (job, lathe, kit) = settled(request).unwrap();
        let plan = yoke_core::plan::plan(&job, &lathe, &kit);
        prop_assert_eq!(line(&plan, "relief_width").state, State::Good);
        // From the shoulder: the body and the margin; from the thread: the leading half of the cut still fits in what is needed.
        let from_shoulder = 60.0 - plan.blank.mark.from_face_mm.value;
        prop_assert!(from_shoulder >= ahead + 0.5_f64.max(play / 2.0) - 1e-9 && from_shoulder < needed, "{}: {from_shoulder} of {needed}", one.name);
        let steps = serde_json::to_string(&setup_sheet(&plan.point(), &job, &lathe).steps).unwrap();
        prop_assert!(steps.contains(&format!("the point {} from the end face", plan.blank.mark.from_face_mm.text)), "{}", steps);
        prop_assert!(!steps.contains("Start at the headstock end"));
    }
}

#[test]
fn a_small_fast_thread_is_cut_at_a_hands_pace_and_a_figure_told_moves_it() {
    // M2 on the Bench allowed 1800 rpm, its carriage running on six millimetres.
    let at = |setup: Value| sound(json!({"thread": {"callout": "M2"}, "lathe": demo_lathe(2), "setup": setup}));
    assert!(at(json!({})).point().setup.speed_and_limit().unwrap()[0] <= 250.0);
    assert!(at(json!({"reaction_s": 0.2})).point().setup.speed_and_limit().unwrap()[0] <= 250.0, "a reaction alone moves nothing");
    assert!((at(json!({"comfort_rpm": 500})).point().setup.speed_and_limit().unwrap()[0] - 500.0).abs() < 1.0);
    // 6 mm/s on a lead of 14: 25.7 rpm, under the slowest of the Long bed. It is given, and said.
    let steep = sound(json!({"thread": {"callout": "Tr40x14(P7)"}, "lathe": demo_lathe(0)}));
    assert_eq!(steep.point().setup.speed_and_limit().unwrap()[0], 27.0);
    let speed = line(&steep, "speed");
    assert!(speed.state == State::Unknown && speed.says.contains("26 rpm"), "{speed:?}");
}

#[test]
fn coasting_not_measured_is_assumed_by_what_stops_the_spindle_and_said() {
    let of = |spindle: Value| {
        let mut lathe = demo_lathe(0);
        lathe["spindle"] = spindle;
        sound(json!({"thread": {"callout": "M20x2.5"}, "lathe": lathe, "setup": {"ending": "closed", "comfort_rpm": 100, "spindle_rpm": 84}}))
    };
    for (spindle, turns) in [(json!({"brake": true}), 0.25), (json!({"clutch": true}), 0.5), (json!({}), 1.0)] {
        let plan = of(spindle);
        assert!((plan.point().setup.stopping_mm.value - runs_on(2.5, 84.0, 0.7, Some((turns, 100.0)))).abs() < 1e-9);
        assert!(plan.assumptions.iter().any(|a| a.pointer == "/lathe/spindle/coast_turns"), "{:?}", plan.assumptions);
    }
    // A clutch throws nothing measured away; with no speed told it is the lathe's own nearest 100.
    let measured = of(json!({"clutch": true, "coast_turns": 3}));
    assert!((measured.point().setup.stopping_mm.value - runs_on(2.5, 84.0, 0.7, Some((3.0, 84.0)))).abs() < 1e-9);
    assert!(measured.assumptions.iter().any(|a| a.pointer == "/lathe/spindle/coast_at_rpm"));
}

#[test]
fn the_body_ahead_of_the_point_is_told_or_taken_and_in_a_bore_asked_for() {
    let rod = |bit: Value| {
        sound(json!({"thread": {"callout": "M20x2.5-6g"}, "blank": {"shoulder": true, "relief_width_mm": 6.4}, "bit": bit, "setup": {"ending": "hand"}}))
    };
    assert_eq!(line(&rod(json!({})), "relief_width").state, State::Bad, "half a 10 mm bit stands ahead");
    assert!(rod(json!({})).assumptions.iter().any(|a| a.pointer == "/bit/body_ahead_mm"));
    assert_eq!(line(&rod(json!({"body_ahead_mm": 1.5})), "relief_width").state, State::Good);
    let bore = |bit: Value| {
        sound(json!({"thread": {"callout": "M36x1.5-6H"}, "blank": {"shoulder": true, "relief_width_mm": 9}, "bit": bit, "setup": {"ending": "hand"}}))
    };
    let untold = bore(json!({}));
    assert!(line(&untold, "relief_width").state == State::Bad && line(&untold, "relief_width").says.contains("not told"));
    assert_eq!(line(&bore(json!({"body_ahead_mm": 4})), "relief_width").state, State::Good);
}

#[test]
fn gears_are_on_only_where_the_train_hung_is_the_train_wanted() {
    let with = |drivers: [u16; 2], driven: [u16; 2], hang: Value| {
        let mut lathe = demo_lathe(0);
        lathe["mounted"] = json!({"drivers": drivers, "driven": driven});
        sound(json!({"thread": {"callout": "M10"}, "lathe": lathe, "gears": {"hang": hang}}))
    };
    // 60·40/24·127 hung where 60/127 is wanted: nothing is missing, and two gears come off.
    let part = with([60, 40], [24, 127], json!({"drivers": [60], "driven": [127], "gearbox": "direct"}));
    let on = line(&part, "gears_on");
    assert!(on.state == State::Bad && on.says.contains("2 gears to take off") && !on.says.contains("to hang"), "{on:?}");
    assert_eq!(part.point().gears.hung.as_ref().unwrap().train.swaps, 2);
    let same = with([60, 40], [24, 127], json!({"drivers": [60, 40], "driven": [24, 127], "gearbox": "direct"}));
    assert_eq!((line(&same, "gears_on").state, same.point().gears.hung.as_ref().unwrap().train.swaps), (State::Good, 0));
}

#[test]
fn chalk_marks_serve_only_trains_that_come_round_soon_and_are_charged_the_wait() {
    let way = |plan: &Plan| {
        plan.point().setup.endings.iter().find(|e| e.ending == yoke_core::job::Ending::ChalkMarks).map(|e| (e.serves, e.consequence.clone())).unwrap()
    };
    // The Bench: 2 mm screw, screwed-on chuck, no dial. 10 TPI is 127/100 of its pitch: they would meet once in a hundred turns.
    let far = sound(json!({"thread": {"callout": "3/4-10"}, "lathe": demo_lathe(2)}));
    let (serves, says) = way(&far);
    let turns: i128 = far.point().gears.required_ratio.split('/').nth(1).unwrap().parse().unwrap();
    assert!(turns > 24 && !serves && says.contains("near miss"), "{says}");
    assert_ne!(far.point().setup.ending, yoke_core::job::Ending::ChalkMarks);
    // 1.75 on 2: 7/8, once in eight turns; four waited for on the average.
    let near = sound(json!({"thread": {"callout": "M12"}, "lathe": demo_lathe(2)}));
    assert!(way(&near).0 && way(&near).1.contains("once in 8 turns"), "{:?}", way(&near));
    assert_eq!(near.point().setup.ending, yoke_core::job::Ending::ChalkMarks);
    let other = sound(json!({"thread": {"callout": "M12"}, "lathe": demo_lathe(2), "setup": {"ending": "dial"}}));
    let passes = near.point().cut.passes.len();
    assert_eq!(passes, other.point().cut.passes.len());
    let waited = 4.0 * 60.0 / near.point().setup.speed_and_limit().unwrap()[0] * f64::from(u32::try_from(passes).unwrap());
    assert!(
        (near.point().cut.time.whole.value - other.point().cut.time.whole.value - waited).abs() < 1.0,
        "{} {} {waited}",
        near.point().cut.time.whole.value,
        other.point().cut.time.whole.value
    );
}

#[test]
fn what_stands_beyond_an_open_end_is_a_fact_and_binds_as_a_shoulder_does() {
    let rod = |blank: Value, setup: Value| {
        sound(json!({"thread": {"callout": "M20x2.5", "length_mm": 60}, "blank": blank, "setup": setup, "bit": {"tip_flat_mm": 0.3125, "body_ahead_mm": 5}}))
    };
    // Nothing told: it is not known, and never nothing to stop for.
    let untold = rod(json!({}), json!({}));
    assert_eq!(line(&untold, "end_room").state, State::Unknown);
    let text = serde_json::to_string(&untold).unwrap();
    assert!(!text.contains("nothing to stop for"));
    // By hand: half the cut 0.156 + d·tan 30°, the bit 5, half a millimetre. At 61 the point itself would stand in the jaws.
    let into_the_jaws = rod(json!({"stick_out_mm": 61}), json!({}));
    assert_eq!(line(&into_the_jaws, "end_room").state, State::Bad);
    assert!(watches(&into_the_jaws, "danger", "end_room"));
    // Turned by hand there is no stopping, but the bit still needs its room.
    assert_eq!(line(&rod(json!({"stick_out_mm": 61}), json!({"ending": "hand"})), "end_room").state, State::Bad);
    let cure = line(&into_the_jaws, "end_room").cure.clone().unwrap().change.unwrap();
    let cured = rod(cure["blank"].clone(), json!({}));
    assert_eq!(line(&cured, "end_room").state, State::Good);
    // The speed is one that stops in what there is: a second derivation from the room told.
    for out in [70.0, 75.0, 90.0] {
        let plan = rod(json!({"stick_out_mm": out}), json!({}));
        let half = plan.blank.mark.from_face_mm.value - 60.0;
        let room = out - 60.0 - half - 5.0_f64.max(half) - 0.5;
        assert!(plan.point().setup.stopping_mm.value <= room + 1e-9, "{out}: {} in {room}", plan.point().setup.stopping_mm.value);
    }
    // What was told goes before the stick-out; a through bore knows neither.
    assert_eq!(line(&rod(json!({"stick_out_mm": 61, "beyond_mm": 40}), json!({})), "end_room").state, State::Good);
    let bore = |told: Value| sound(json!({"thread": {"callout": "M30-6H", "length_mm": 30}, "blank": {"stick_out_mm": 40, "beyond_mm": told}}));
    assert_eq!(line(&bore(json!(null)), "end_room").state, State::Unknown);
    assert_eq!(line(&bore(json!(20)), "end_room").state, State::Bad, "the bar's nose was not told");
}

#[test]
fn a_cut_that_starts_on_the_bar_is_given_a_groove_and_comes_back_into_it_by_hand() {
    let left = |blank: Value, setup: Value| {
        sound(json!({"thread": {"callout": "M20x2.5 LH", "length_mm": 60}, "blank": blank, "setup": setup, "bit": {"tip_flat_mm": 0.3125, "body_ahead_mm": 5}}))
    };
    let plan = left(json!({}), json!({"ending": "closed"}));
    assert!(plan.blank.relief.is_some() && plan.point().setup.run_up_mm.value < 1e-9, "a groove to start in is asked for");
    assert_eq!(line(&plan, "relief_width").state, State::Unknown);
    assert_eq!(line(&plan, "tail_room").state, State::Unknown);
    // The stroke back runs on as far as the cut does, and the groove has not that room: the last part is by hand, on the run's pages too.
    let back = plan.point().setup.comes_back.as_ref().unwrap();
    assert!(back.by_hand && (back.runs_on_mm.value - plan.point().setup.stopping_mm.value).abs() < 1e-9);
    assert!(plan.run.cycle.iter().any(|p| p.name == "In by hand"));
    // In a groove wide enough it may be stopped under power.
    let wide = left(json!({"relief_width_mm": 25}), json!({"ending": "closed"}));
    assert!(!wide.point().setup.comes_back.as_ref().unwrap().by_hand && wide.run.cycle.iter().all(|p| p.name != "In by hand"));
    // It cannot be withdrawn where it starts.
    let withdrawn = left(json!({"end": "withdraw", "stick_out_mm": 90}), json!({}));
    assert_eq!(line(&withdrawn, "end_room").state, State::Bad);
    // Told to be open, it starts after a run-up, and that needs its room before the jaws.
    let open = left(json!({"end": "open", "stick_out_mm": 62}), json!({}));
    assert!(open.point().setup.run_up_mm.value > 5.0 && line(&open, "end_room").state == State::Bad);
}

proptest! {
    #![proptest_config(ProptestConfig::with_cases(200))]

    /// A room told at an open end, or at the tailstock, is red where the carriage runs on past it, and green where it does not.
    #[test]
    fn a_room_told_is_held_against_what_stopping_takes(i in 0..standards().len(), lathe in 0_usize..3, room in 0.1_f64..30.0, left: bool, closed: bool, rpm in prop::option::of(30.0_f64..400.0)) {
        let hand = if left { "left" } else { "right" };
        let ending = if closed { "closed" } else { "chalk_marks" };
        let plan = sound(json!({"thread": {"callout": standards()[i].name, "hand": hand}, "lathe": demo_lathe(lathe),
            "setup": {"ending": ending, "way": "auto", "runout_mm": room, "spindle_rpm": rpm}}));
        let lines: Vec<&CheckLine> = plan.check.lines.iter().filter(|l| ["end_room", "tail_room"].contains(&l.code)).collect();
        let judged: Vec<&&CheckLine> = lines.iter().filter(|l| l.says.contains("to stop in, as told")).collect();
        prop_assert!(!left || !judged.is_empty());
        for line in judged {
            let over = plan.point().setup.stopping_mm.value > room + 0.0005;
            prop_assert_eq!(line.state == State::Bad, over, "{}: {}", plan.thread.name, line.says);
        }
    }
}

#[test]
fn a_speed_told_makes_no_wider_relief_and_is_itself_what_is_wrong() {
    let of = |rpm: Value| sound(json!({"thread": {"callout": "M20x2.5", "length_mm": 50}, "blank": {"shoulder": true}, "setup": {"spindle_rpm": rpm}}));
    let (own, told) = (of(Value::Null), of(json!(900)));
    let width = |plan: &Plan| plan.blank.relief.as_ref().unwrap().width_mm.value;
    assert!((width(&own) - width(&told)).abs() < 1e-9 && width(&own) < 13.0, "{} {}", width(&own), width(&told));
    assert_eq!(line(&told, "speed").state, State::Bad);
}

#[test]
fn an_ending_this_lathe_cannot_follow_is_said_as_a_sentence() {
    for ending in ["dial", "closed", "same_mark", "chalk_marks"] {
        let mut lathe = demo_lathe(0);
        lathe["spindle"]["reverses"] = json!(false);
        lathe["dial"] = Value::Null;
        let plan = sound(json!({"thread": {"callout": "M12x1.75"}, "lathe": lathe, "setup": {"ending": ending, "way": "toward"}}));
        let dial = line(&plan, "dial");
        assert!(dial.state == State::Bad && !dial.says.contains("cannot no ") && dial.says.ends_with('.'), "{ending}: {}", dial.says);
    }
}
