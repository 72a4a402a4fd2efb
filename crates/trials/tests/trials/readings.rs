//! What a reading stands for, by every way of taking it, against where wires and balls really rest; shape, hidden errors, what is left to do.

use serde_json::json;
use yoke_core::gauge::{GaugeResult, Measured, ReadAt, VerdictKind};
use yoke_core::log::{ActKind, fold, judge_told};
use yoke_core::run::RunPlan;
use yoke_core::thread::{Flanks, Groove, Range};
use yoke_core::voice::Voice;
use yoke_trials::{SinglePoint, demo_lathe, judge, on, reckon, sound};

fn groove(run: &RunPlan, e: f64) -> Groove {
    let tip = run.tip.unwrap();
    Groove { pitch_diameter_mm: e, pitch_mm: tip.pitch_mm, lead_mm: run.lead_mm.unwrap_or(tip.pitch_mm), flanks: Flanks::even(tip.alpha_deg) }
}

fn deepest(run: &RunPlan) -> f64 {
    run.passes.last().unwrap().radial_mm
}

#[test]
fn every_way_of_reading_a_screw_gives_its_pitch_diameter() {
    for callout in ["M20x2.5-6g", "1-1/4-5 Acme", "5/8 BSW", "Tr28x5-7e", "7/8-9 UNC-2A"] {
        let run = on(0, callout).run;
        let e = run.target_mm + 0.03;
        let tip = run.tip.unwrap();
        let best = tip.pitch_mm / (2.0 * tip.alpha_deg.to_radians().cos());
        for wire in [1.01 * best, 1.06 * best] {
            // Seats are held to a contact check of their own by another test.
            let over = groove(&run, e).seat(wire).unwrap().over_mm;
            let outside = run.start_mm - 0.02;
            let ways = [
                Measured { over_wires_mm: Some(over), wire_mm: Some(wire), ..Measured::default() },
                Measured { over_one_wire_mm: Some(f64::midpoint(over, outside)), outside_mm: Some(outside), wire_mm: Some(wire), ..Measured::default() },
                Measured { over_wires_mm: Some(over + 0.004), zero_mm: Some(0.004), wire_mm: Some(wire), ..Measured::default() },
                Measured { pitch_diameter_mm: Some(e), ..Measured::default() },
            ];
            for way in ways {
                assert!(way.check(Voice::default()).is_ok() && way.check_against(&run, Voice::default()).is_ok(), "{callout} {way:?}");
                assert!((way.size(&run, Voice::default()).unwrap() - e).abs() < 1e-6, "{callout} {way:?}: {:?}", way.size(&run, Voice::default()));
            }
        }
        // Over one wire a slip of the hand counts twice, so the doubt is twice as wide.
        let one = Measured {
            over_one_wire_mm: Some(f64::midpoint(groove(&run, e).seat(best).unwrap().over_mm, run.start_mm)),
            wire_mm: Some(best),
            ..Measured::default()
        };
        assert!((judge(&run, &one, deepest(&run)).unwrap().pitch_diameter_mm.doubt - 0.010).abs() < 1e-12);
    }
}

#[test]
fn balls_in_a_bore_two_opposite_lie_aslant_for_odd_starts() {
    let run = on(1, "M20x2.5-6H").run;
    let e = run.target_mm;
    for ball in [1.45, 1.6] {
        for (count, starts) in [(3, 1.0), (2, 1.0), (2, 2.0), (2, 3.0)] {
            let g = Groove { lead_mm: 2.5 * starts, ..groove(&run, e) };
            let between = g.between_balls(ball, count).unwrap();
            // By hand: centres C apart square to the axis, and for odd starts half a pitch along it.
            let c = 2.0 * g.ball(ball).unwrap();
            let along = if count == 2 && starts != 2.0 { 1.25 } else { 0.0 };
            assert!(((c * c + along * along).sqrt() - ball - between).abs() < 1e-9);
            assert!((g.pitch_diameter_of_balls(between, ball, count).unwrap() - e).abs() < 1e-6);
            if starts == 1.0 {
                let read = Measured { between_balls_mm: Some(between), balls: Some(count), wire_mm: Some(ball), ..Measured::default() };
                assert!(read.check(Voice::default()).is_ok() && (read.size(&run, Voice::default()).unwrap() - e).abs() < 1e-6);
            }
        }
    }
    // The design's own figure: 0.044 more on M20×2.5.
    let g = groove(&run, e);
    let more = g.between_balls(1.45, 2).unwrap() - g.between_balls(1.45, 3).unwrap();
    assert!((more - 0.044).abs() < 0.001, "{more}");
}

#[test]
fn two_sizes_of_wire_tell_the_flank_angle_and_what_a_mate_feels_of_it() {
    for (alpha, lead, e, p) in [(30.0, 2.5, 18.2, 2.5), (14.5, 10.16, 11.43, 2.54), (27.5, 2.309, 20.0, 2.309)] {
        for off in [-0.6, 0.0, 0.4] {
            let cut = Groove { pitch_diameter_mm: e, pitch_mm: p, lead_mm: lead, flanks: Flanks::even(alpha + off) };
            let best = p / (2.0 * f64::to_radians(alpha).cos());
            let pair = [0.94, 1.12].map(|k| [k * best, cut.seat(k * best).unwrap().over_mm]);
            let found = Groove { flanks: Flanks::even(alpha), ..cut }.half_angle_of(pair[0], pair[1]).unwrap();
            assert!((found - alpha - off).abs() < 1e-3, "{alpha} {off}: {found}");
        }
    }
    // At the lathe: two readings at one depth, a degree narrow; the design's own formula for what it feels like.
    let run = on(0, "M20x2.5-6g").run;
    let narrow = Groove { flanks: Flanks::even(29.0), ..groove(&run, run.target_mm) };
    let read = |w: f64| ActKind::Measured(Measured { over_wires_mm: Some(narrow.seat(w).unwrap().over_mm), wire_mm: Some(w), ..Measured::default() });
    let acts: Vec<_> = [ActKind::PassDone { n: 1, radial_mm: deepest(&run) }, read(1.3), read(1.6)]
        .into_iter()
        .enumerate()
        .map(|(i, kind)| yoke_core::log::Act { id: i.to_string(), kind })
        .collect();
    let flank = fold(&run, &acts, Voice::default()).flank.unwrap();
    assert!((flank.half_angle_deg - 29.0).abs() < 0.01 && flank.doubt_deg < 1.0, "{flank:?}");
    let tan = |d: f64| f64::to_radians(d).tan();
    let feels = 2.5 * 0.649_519 * (tan(30.0) - tan(29.0)) / tan(30.0);
    assert!((flank.feels_mm - feels).abs() < 2e-4, "{} {feels}", flank.feels_mm);
}

#[test]
fn places_along_and_around_part_size_taper_and_roundness() {
    let run = on(0, "M20x2.5-6g").run;
    let at = |mm: f64, along_mm: f64, around_deg: f64| ReadAt { mm, along_mm, around_deg };
    // 0.02 larger at the far end of 40, 0.012 out of round there, one repeat 0.004 off.
    let read = Measured {
        pitch_diameter_mm: Some(18.25),
        places: vec![at(18.26, 20.0, 0.0), at(18.27, 40.0, 0.0), at(18.282, 40.0, 90.0), at(18.254, 0.0, 0.0)],
        ..Measured::default()
    };
    let shape = judge(&run, &read, deepest(&run)).unwrap().shape.unwrap();
    assert!((shape.least_mm - 18.25).abs() < 1e-12 && (shape.most_mm - 18.282).abs() < 1e-12);
    assert!((shape.out_of_round_mm.unwrap() - 0.012).abs() < 1e-9);
    // Least squares by hand: places 0, 20, 40, 40, 0 about their mean 20.
    let by_hand = (-20.0 * (18.25 + 18.254) + 20.0 * (18.27 + 18.282)) / (4.0 * 400.0) * 40.0;
    assert!((shape.taper_mm.unwrap() - by_hand).abs() < 1e-9, "{shape:?} {by_hand}");
    // The thin end near the low limit and the thick one over the high: no depth brings both in.
    let [low, high] = run.limits_mm;
    let both = Measured { pitch_diameter_mm: Some(low + 0.01), places: vec![at(high + 0.06, 40.0, 0.0)], ..Measured::default() };
    let verdict = judge(&run, &both, deepest(&run)).unwrap();
    assert!(verdict.verdict == VerdictKind::Unsure && verdict.next.is_none() && verdict.says.contains("tailstock"), "{verdict:?}");
    // Both over: the cut brings the thin end no further than the low limit.
    let over = Measured { pitch_diameter_mm: Some(high + 0.02), places: vec![at(high + 0.06, 40.0, 0.0)], ..Measured::default() };
    let verdict = judge(&run, &over, deepest(&run)).unwrap();
    assert!(high + 0.02 - 2.0 * verdict.next.unwrap().more_radial_mm > low, "{}", verdict.says);
}

#[test]
fn lead_and_flanks_take_their_room_before_it_is_said_to_be_in_limits() {
    let mut run = on(0, "M20x2.5-6g").run;
    let read = |run: &RunPlan, mm: f64| judge(run, &Measured { pitch_diameter_mm: Some(mm), ..Measured::default() }, deepest(run)).unwrap();
    let high = run.limits_mm[1];
    assert_eq!(read(&run, high - 0.01).verdict, VerdictKind::InLimits);
    run.hidden_mm = [0.02, 0.01];
    let verdict = read(&run, high - 0.01);
    assert!(verdict.verdict == VerdictKind::TakeMore && verdict.says.contains("0.030"), "{verdict:?}");
    assert_eq!(read(&run, high - 0.036).verdict, VerdictKind::InLimits);
    // Within the doubt of what is left of the room nothing is said to be in it: the small cut that settles it is offered.
    let near = read(&run, high - 0.031);
    assert!(near.verdict == VerdictKind::Unsure && near.next.is_some() && near.says.contains("doubt of 0.005 mm"), "{near:?}");
    // More than there is: the limits stand, and it says that only the mate proves it.
    run.hidden_mm = [0.3, 0.0];
    assert!(read(&run, high - 0.01).says.contains("only the mate"));
}

#[test]
fn a_mate_is_said_to_be_tight_before_it_is_tried() {
    // 30° of included angle wrong by a degree and a half, and a long nut; by hand from the design's formulas.
    let ask = |angle: f64, made: f64| {
        sound(json!({"thread": {"callout": "M20x2.5-6g", "engagement_mm": 30}, "lathe": demo_lathe(0),
            "bit": {"included_angle_deg": angle, "tip_flat_mm": 0.3}, "mate": {"made_pitch_diameter_mm": made, "school": "limits"}}))
    };
    let true_bit = ask(60.0, 18.45);
    assert!(true_bit.gauge.functional.is_none(), "exact train, true bit: nothing hidden, and it goes");
    let wide = ask(62.0, 18.40).gauge.functional.unwrap();
    let tan = |d: f64| f64::to_radians(d).tan();
    // (E − D1)(tan 31° − tan 30°)/tan 30°; E − D1 is half of 0.866P less an eighth, on diameter 0.433P.
    let feels = 2.5 * 0.433_013 * (tan(31.0) - tan(30.0)) / tan(30.0);
    assert!((wide.flanks_mm.value - feels).abs() < 3e-4, "{} {feels}", wide.flanks_mm.value);
    assert!((wide.clearance_mm.value - (18.40 - 18.249 - feels)).abs() < 1e-3, "{}", wide.says);
    let tight = ask(62.0, 18.26);
    let warned = tight.watch.iter().find(|w| w.code.name() == "mate_tight").unwrap();
    assert!(tight.gauge.functional.unwrap().clearance_mm.value < 0.0 && warned.text.contains("Aim at"), "{}", warned.text);
}

#[test]
fn plugs_rings_and_roots_tell_what_they_can() {
    let run = on(1, "M36x1.5-6H").run;
    let told = |plug: GaugeResult| judge(&run, &Measured { plug: Some(plug), ..Measured::default() }, deepest(&run)).unwrap();
    assert_eq!(told(GaugeResult::GoGoes).verdict, VerdictKind::InLimits);
    let short = told(GaugeResult::GoStops);
    assert!(short.verdict == VerdictKind::TakeMore && short.next.unwrap().radial_mm > deepest(&run));
    assert!(told(GaugeResult::NotGoGoes).options.iter().any(|o| o.contains("scrap")));
    // A go end that stops says less than a size: the bore is believed smaller after it, never larger.
    let size = |acts: &[(ActKind, f64)]| judge_told(&run, acts, Voice::default()).unwrap().pitch_diameter_mm;
    let go = |plug| (ActKind::Measured(Measured { plug: Some(plug), ..Measured::default() }), deepest(&run));
    assert!(size(&[go(GaugeResult::GoStops)]).value < run.limits_mm[0] + 0.01);
    assert!(size(&[go(GaugeResult::GoGoes)]).value > run.limits_mm[0] - 0.01);
    // A square thread is known by its root: not deep enough, then there.
    let square = sound(json!({"thread": {"callout": "1-4 Square"}, "lathe": demo_lathe(0), "bit": {"tip_flat_mm": 3.175}})).run;
    let root = |mm: f64| judge(&square, &Measured { root_mm: Some(mm), spread_mm: Some(0.02), ..Measured::default() }, deepest(&square)).unwrap();
    let aim = square.root_at(square.target_mm);
    assert_eq!(root(aim).verdict, VerdictKind::InLimits, "{:?}", root(aim));
    assert!(root(aim + 0.25).next.is_some());
}

#[test]
fn past_the_limit_what_can_still_be_done_is_told_with_its_numbers() {
    let plan = on(0, "M20x2.5-6g");
    let run = &plan.run;
    let past = |mm: f64| judge(run, &Measured { pitch_diameter_mm: Some(mm), ..Measured::default() }, deepest(run)).unwrap();
    // 6f lies 0.022 (its es less g's) under 6g: from the tables, es g 42 and f 58 at a pitch of 2.5.
    let f = &run.classes[0];
    assert!(f.name == "6f" && (run.limits_mm[0] - f.limits_mm[0] - 0.016).abs() < 1e-9, "{:?}", run.classes);
    let options = past(run.limits_mm[0] - 0.012).options;
    assert!(options[0].contains("6f") && options.iter().any(|o| o.contains("scrap")), "{options:?}");
    // So far past that no tip the form has could be there: asked first, and told again it counts.
    let reading = ActKind::Measured(Measured { pitch_diameter_mm: Some(run.limits_mm[0] - 0.25), ..Measured::default() });
    let at = deepest(run);
    assert!(judge_told(run, &[(reading.clone(), at)], Voice::default()).unwrap().questions[0].contains("flat"));
    let far = judge_told(run, &[(reading.clone(), at), (reading, at)], Voice::default()).unwrap().options;
    assert!(far.iter().all(|o| !o.contains("Another class")) && far[0].contains("make the nut"), "{far:?}");
}

#[test]
fn readings_that_hold_nothing_or_too_much_are_refused_by_field() {
    let some = Some(18.0);
    let faulty = [
        (Measured::default(), "/over_wires_mm"),
        (Measured { over_wires_mm: some, pitch_diameter_mm: some, ..Measured::default() }, "/over_wires_mm"),
        (Measured { between_balls_mm: some, wire_mm: Some(1.5), ..Measured::default() }, "/balls"),
        (Measured { between_balls_mm: some, balls: Some(3), ..Measured::default() }, "/wire_mm"),
        (Measured { pitch_diameter_mm: some, wire_mm: Some(1.5), ..Measured::default() }, "/wire_mm"),
        (Measured { pitch_diameter_mm: some, outside_mm: some, ..Measured::default() }, "/outside_mm"),
        (Measured { pitch_diameter_mm: some, zero_mm: Some(f64::NAN), ..Measured::default() }, "/zero_mm"),
        (Measured { pitch_diameter_mm: some, places: vec![ReadAt::default()], ..Measured::default() }, "/places"),
        (Measured { plug: Some(GaugeResult::GoGoes), places: vec![ReadAt { mm: 1.0, ..ReadAt::default() }], ..Measured::default() }, "/places"),
    ];
    for (read, field) in faulty {
        assert_eq!(read.check(Voice::default()).unwrap_err()[0].0, field, "{read:?}");
    }
    let run = on(0, "M20x2.5-6g").run;
    let over = |wire_mm: f64| Measured { over_wires_mm: Some(20.5), wire_mm: Some(wire_mm), ..Measured::default() }.check_against(&run, Voice::default());
    assert!(over(1.0).unwrap_err().1.contains("below the crests") && over(3.4).unwrap_err().1.contains("crests") && over(1.6).is_ok());
    assert!(
        Measured { between_balls_mm: Some(18.0), balls: Some(2), wire_mm: Some(1.5), ..Measured::default() }.check_against(&run, Voice::default()).is_err()
    );
}

#[test]
fn the_aim_follows_the_part_to_match_or_the_loosest_mate() {
    let ask = |gauge: serde_json::Value, callout: &str| sound(json!({"thread": {"callout": callout}, "lathe": demo_lathe(1), "gauge": gauge}));
    let like = ask(json!({"original": {"pitch_diameter_mm": 18.3, "clearance_mm": 0.05}}), "M20x2.5-6g");
    assert!((like.run.target_mm - 18.25).abs() < 1e-9);
    let g = Groove { pitch_diameter_mm: 18.3, pitch_mm: 2.5, lead_mm: 2.5, flanks: Flanks::even(30.0) };
    let over = ask(json!({"original": {"over_wires_mm": g.seat(1.45).unwrap().over_mm, "wire_mm": 1.45}}), "M20x2.5-6g");
    assert!((over.run.target_mm - 18.3).abs() < 1e-6);
    assert!((ask(json!({"original": {"pitch_diameter_mm": 35.1, "clearance_mm": 0.04}}), "M36x1.5-6H").run.target_mm - 35.14).abs() < 1e-9);
    // Proven by a nut nobody measured: where the loosest it may be runs free, which to these limits is past the high one.
    let felt = ask(json!({"proof": "mate", "mate_at_hand": true}), "M20x2.5-6g");
    assert!((felt.run.target_mm - felt.run.limits_mm[1]).abs() < 1e-9);
    let bore = ask(json!({"mate_at_hand": true}), "M36x1.5-6H");
    // A screw 34.994 less 0.150: least 34.844 with the doubt never under 0.05; free from 0.027 to 0.095 at a pitch of 1.5.
    let mate = bore.run.mate.unwrap();
    let by_hand = (mate.pitch_diameter_mm - mate.doubt_mm + f64::midpoint(0.027, 0.095)).max(bore.run.limits_mm[0]);
    assert!((bore.run.target_mm - by_hand).abs() < 1e-9, "{} {by_hand}", bore.run.target_mm);
}

#[test]
fn a_reading_that_does_not_agree_is_questioned_by_what_it_was_read_with() {
    let plan = sound(json!({"thread": {"callout": "M20x2.5-6g"}, "lathe": demo_lathe(0), "bit": {"tip_flat_mm": 0.31}, "gauge": {"wires_mm": [1.45]}}));
    let depth = plan.point().cut.radial_mm.value;
    for (read, wants, never) in [
        (json!({"over_wires_mm": 22.2}), "three wires", "anvils"),
        (json!({"pitch_diameter_mm": 19.8}), "anvils", "wire"),
        (json!({"root_mm": 18.6}), "bottom of the groove", "wire"),
    ] {
        let reading: Measured = serde_json::from_value(read.clone()).unwrap();
        let asked = judge(&plan.run, &reading, depth).unwrap().questions.join(" ");
        assert!(asked.contains(wants) && !asked.contains(never), "{read}: {asked}");
    }
}

/// A sample measured by what can be reached of it: over the flanks it is estimated, with its doubt, and held to no table's band.
#[test]
fn a_sample_is_sized_by_its_crests_and_a_space_or_its_roots() {
    let ask =
        |original: serde_json::Value, callout: &str| reckon(json!({"thread": {"callout": callout}, "lathe": demo_lathe(1), "gauge": {"original": original}}));
    // A screw cut with the basic flats: crest P/8, root P/4 of a V 0.866 P deep: 20 across, 20 − 2·(17/24)·0.866·... by hand below.
    let tan = 30.0_f64.to_radians().tan();
    let (crest, fc, fr) = (20.0, 2.5 / 8.0, 2.5 / 6.0);
    let root = crest - (2.5 - fc - fr) / tan;
    let real = crest - (1.25 - fc) / tan;
    let by_root = ask(json!({"crest_mm": crest, "root_mm": root}), "M20x2.5-6g").unwrap();
    let [low, high] = by_root.run.limits_mm;
    assert!(low < real && real < high && high - low < 0.6, "{low} {real} {high}");
    assert!(by_root.assumptions.iter().any(|a| a.text.contains("give or take")));
    // A space at its mouth is P − crest: exactly the same.
    let by_space = ask(json!({"crest_mm": crest, "space_mm": 2.5 - fc}), "M20x2.5-6g").unwrap();
    assert!((by_space.run.target_mm - real).abs() < 1e-9);
    let nut = ask(json!({"crest_mm": 34.4, "space_mm": 1.5 - 0.25}), "M36x1.5-6H").unwrap();
    assert!((nut.run.target_mm - (34.4 + 0.5 / tan)).abs() < 1e-9);
    for (original, at) in [
        (json!({"crest_mm": 20.0}), "/gauge/original/root_mm"),
        (json!({"crest_mm": 20.0, "root_mm": 21.0}), "/gauge/original/root_mm"),
        (json!({"crest_mm": 20.0, "space_mm": 0.2}), "/gauge/original/space_mm"),
        (json!({"crest_mm": 20.0, "pitch_diameter_mm": 18.2}), "/gauge/original/pitch_diameter_mm"),
    ] {
        let faults = ask(original.clone(), "M20x2.5-6g").unwrap_err();
        assert!(faults.iter().any(|f| f.pointer == at), "{original}: {faults:?}");
    }
    let special = json!({"thread": {"special": {"major_mm": 27.3, "pitch_mm": 4.2}}, "gauge": {"original": {"pitch_diameter_mm": 25.0}}});
    assert!(reckon(special).unwrap_err().iter().any(|f| f.pointer == "/thread/special/included_angle_deg"));
}

/// Whatever its standard allows a part to be, what is made of its crests and roots holds its real size over the flanks within the doubt said.
#[test]
fn crests_and_roots_hold_the_real_size_whatever_the_standard_allows() {
    let between = |[low, high]: [f64; 2], at: f64| low + (high - low) * at;
    for (callout, tan, widest) in [
        ("M20x2.5-6g", 30.0_f64.to_radians().tan(), 0.13),
        ("M36x1.5-6H", 30.0_f64.to_radians().tan(), 0.13),
        ("7/8-9 UNC-2A", 30.0_f64.to_radians().tan(), 0.13),
        ("1/2-13 UNC-2B", 30.0_f64.to_radians().tan(), 0.13),
        ("1-1/4-5 Acme-2G", 14.5_f64.to_radians().tan(), 0.1),
        ("Tr40x14(P7)-7e", 15.0_f64.to_radians().tan(), 0.1),
        ("Tr28x5-7H", 15.0_f64.to_radians().tan(), 0.1),
        ("5/8 BSW", 27.5_f64.to_radians().tan(), 0.06),
        ("2BA", 23.75_f64.to_radians().tan(), 0.08),
    ] {
        let plan = sound(json!({"thread": {"callout": callout}, "lathe": demo_lathe(1)}));
        let th = &plan.thread;
        let (screw, pitch) = (!callout.ends_with('H') && !callout.ends_with('B'), th.pitch_mm.value);
        let (own, turn) = if screw { (&th.external, -1.0) } else { (&th.internal, 1.0) };
        let limits = |r: &Range| [r.min.as_ref().or(r.max.as_ref()).unwrap().value, r.max.as_ref().or(r.min.as_ref()).unwrap().value];
        let (e, crests) = (limits(&own.pitch_mm), limits(if screw { &own.major_mm } else { &own.minor_mm }));
        for n in 0..27 {
            let [a, b, c] = [n % 3, n / 3 % 3, n / 9].map(|i| f64::from(i) / 2.0);
            let (real, crest) = (between(e, a), between(crests, b));
            let root = match callout {
                _ if callout.starts_with(['M', '7']) || callout.contains("UN") => {
                    let flat = between(if screw { [pitch / 8.0, pitch / 4.0] } else { [pitch / 16.0, pitch / 8.0] }, c);
                    real + turn * (pitch / 2.0 - flat) / tan
                }
                // Their standards give the root's own limits; a nut's is open, and as much again is met.
                _ if screw && tan < 0.3 => between(limits(&own.minor_mm), c).min(real - pitch / 4.0),
                _ if !screw => limits(&own.major_mm)[0] * (1.0 + 0.01 * c),
                // Rounded alike at both.
                _ => 2.0 * real - th.major_mm.value,
            };
            let asked = json!({"thread": {"callout": callout}, "lathe": demo_lathe(1), "gauge": {"original": {"crest_mm": crest, "root_mm": root}}});
            let [low, high] = reckon(asked).unwrap().run.limits_mm;
            assert!(low - 1e-9 <= real && real <= high + 1e-9, "{callout} {crest:.3} {root:.3}: {real:.3} not in {low:.3} to {high:.3}");
            assert!(high - low < 2.0 * widest * pitch + 0.06, "{callout} {crest:.3} {root:.3}: {:.3} wide", high - low);
        }
    }
    // 39.800 across and 32.400 at its roots, three starts of 7: about the basic 36.5, never two millimetres under it.
    let worn =
        reckon(json!({"thread": {"callout": "Tr40x14(P7)-7e"}, "lathe": demo_lathe(1), "gauge": {"original": {"crest_mm": 39.8, "root_mm": 32.4}}})).unwrap();
    assert!((worn.run.target_mm - 36.5).abs() < 0.5, "{}", worn.run.target_mm);
}
