//! Batches: what each order costs, counted again by walking through it; drift told from scatter; what is handed on.

use serde_json::json;
use yoke_core::batch::{
    Across, BatchOp, BatchSetUp, BatchThread, OwnOrder, PartResult, SizeState, ThreadResult, carry_over, check_parts, check_sized, orders, plain_limits, tally,
    tally_csv,
};
use yoke_core::faults::read_json;
use yoke_core::gauge::{Measured, TipFound, Verdict};
use yoke_core::voice::Voice;
use yoke_trials::{Chance, demo_lathe, judge, sound};

/// Walks an order step by step and counts, as a hand would.
fn walked(across: Across, own: &OwnOrder, setups: &[BatchSetUp], hands: &[bool], tools_stay: bool) -> (usize, usize, f64) {
    let mut steps: Vec<(usize, usize, usize)> = Vec::new(); // part, set-up, operation
    let (parts, ops) = (0..hands.len(), |s: usize| 0..setups[s].ops.len());
    match across {
        Across::EachPart => parts.clone().for_each(|p| (0..setups.len()).for_each(|s| ops(s).for_each(|o| steps.push((p, s, o))))),
        Across::EachChucking => (0..setups.len()).for_each(|s| parts.clone().for_each(|p| ops(s).for_each(|o| steps.push((p, s, o))))),
        Across::EachOperation => (0..setups.len()).for_each(|s| ops(s).for_each(|o| parts.clone().for_each(|p| steps.push((p, s, o))))),
        Across::Own => {
            // Gathered set-up by set-up: a heap is worked off part by part when the parts wait, and before and after one done by operations.
            let mut all: Vec<(Vec<usize>, bool)> = vec![(Vec::new(), false)];
            for (s, setup) in setups.iter().enumerate() {
                let (by, wait) = (own.by_operation.contains(&setup.id), own.wait_after.contains(&setup.id));
                if by {
                    all.extend([(vec![s], true), (Vec::new(), false)]);
                } else {
                    all.last_mut().unwrap().0.push(s);
                    if wait {
                        all.push((Vec::new(), false));
                    }
                }
            }
            for (group, by) in all {
                if by {
                    ops(group[0]).for_each(|o| parts.clone().for_each(|p| steps.push((p, group[0], o))));
                } else {
                    parts.clone().for_each(|p| group.iter().for_each(|s| ops(*s).for_each(|o| steps.push((p, *s, o)))));
                }
            }
        }
    }
    let mut stands = None;
    let (mut in_chuck, mut chuckings, mut settings, mut minutes) = (None, 0, 0, 0.0);
    // What the one tool place holds, or with a turret every operation ever set; and with which hand it was set.
    let mut set: Vec<((usize, usize), bool)> = Vec::new();
    for (p, s, o) in steps {
        let op = setups[s].ops[o];
        // Another set-up stood there: its stop and jaws are set again.
        if stands.replace(s) != Some(s) && setups[s].stands > 0.0 {
            settings += 1;
            minutes += setups[s].stands;
        }
        let by = across == Across::EachOperation || across == Across::Own && own.by_operation.contains(&setups[s].id);
        if in_chuck != Some((p, s)) || (by && setups[s].ops.len() > 1) {
            chuckings += 1;
            minutes += setups[s].chuck;
            in_chuck = Some((p, s));
        }
        let right = set.iter().any(|(at, hand)| *at == (s, o) && (!op.handed || *hand == hands[p]));
        if !right && op.set > 0.0 {
            settings += 1;
            minutes += op.set;
        }
        set.retain(|(at, _)| tools_stay && *at != (s, o));
        set.push(((s, o), hands[p]));
        minutes += op.each;
    }
    (chuckings, settings, minutes)
}

#[test]
fn every_order_costs_what_walking_through_it_does() {
    let mut chance = Chance(5);
    for _ in 0..300 {
        let count = |chance: &mut Chance, most: f64| 1 + (chance.even() * most) as usize;
        let setups: Vec<BatchSetUp> = (0..count(&mut chance, 4.9))
            .map(|s| BatchSetUp {
                id: s.to_string(),
                stands: chance.between(-1.0, 6.0).max(0.0),
                chuck: chance.between(0.5, 6.0),
                again_mm: 0.08,
                ops: (0..1 + count(&mut chance, 4.9))
                    .map(|i| BatchOp { set: chance.between(0.1, 5.0), each: chance.between(0.1, 9.0), handed: i == 1 })
                    .collect(),
            })
            .collect();
        let right = count(&mut chance, 4.9);
        let left = (chance.even() * 4.0) as usize;
        let hands: Vec<bool> = (0..right + left).map(|i| i < right).collect();
        for stay in [false, true] {
            let some = |chance: &mut Chance| setups.iter().map(|s| s.id.clone()).filter(|_| chance.even() < 0.4).collect::<Vec<_>>();
            let own = OwnOrder { wait_after: some(&mut chance), by_operation: some(&mut chance) };
            for o in orders(&setups, [right, left], stay, Some(&own), Voice::default()) {
                let (chuckings, settings, minutes) = walked(o.across, &own, &setups, &hands, stay);
                assert_eq!((o.chuckings, o.settings), (chuckings, settings), "{:?} {setups:?} {hands:?} {stay}", o.across);
                assert!((o.minutes - minutes).abs() < 0.06, "{} {minutes}", o.minutes);
            }
        }
    }
}

#[test]
fn an_order_that_puts_work_back_untrue_is_not_recommended() {
    let op = |set: f64| BatchOp { set, each: 2.0, handed: false };
    let of = |again_mm| vec![BatchSetUp { id: String::new(), stands: 3.0, chuck: 0.5, again_mm, ops: vec![op(5.0), op(5.0), op(5.0)] }];
    let best = |again_mm| orders(&of(again_mm), [6, 0], false, None, Voice::default()).into_iter().find(|o| o.recommended).unwrap().across;
    // Between centres each operation on all is quickest; in a three-jaw it costs the truth of the thread.
    assert_eq!((best(0.005), best(0.08)), (Across::EachOperation, Across::EachPart));
    assert!(orders(&of(0.08), [6, 0], false, None, Voice::default()).iter().any(|o| !o.true_enough && o.costs.contains("0.080 mm off center")));
}

/// A verdict on a turnbuckle end that read so much.
fn verdict(size: f64) -> Option<Verdict> {
    let plan = sound(json!({"thread": {"callout": "M16x2-6g"}, "lathe": demo_lathe(2)}));
    judge(&plan.run, &Measured { pitch_diameter_mm: Some(size), ..Measured::default() }, plan.run.passes.last().unwrap().radial_mm)
}

fn parts(sizes: &[f64]) -> Vec<PartResult> {
    let part = |(i, size): (usize, &f64)| PartResult {
        job: format!("j{i}"),
        place: i + 1,
        sizes: vec![("shank".into(), *size)],
        threads: vec![Some(ThreadResult::default())],
        ..PartResult::default()
    };
    sizes.iter().enumerate().map(part).collect()
}

const SHANK: [f64; 2] = [15.89, 16.0];

fn thread(limits_mm: [f64; 2]) -> BatchThread {
    BatchThread { name: "M16×2-6g".into(), limits_mm }
}

fn read(size: f64) -> Option<ThreadResult> {
    Some(ThreadResult { verdict: verdict(size), flat_mm: Some([0.25, 0.02]), ..ThreadResult::default() })
}

fn shank(sizes: &[f64]) -> yoke_core::batch::Column {
    tally(&parts(sizes), &[thread([14.5, 14.6])], &[("shank".into(), SHANK)], Voice::default()).columns.swap_remove(1)
}

#[test]
fn a_drift_by_hand_and_what_the_next_part_is_set_to() {
    // Worked by hand: 15.90, 15.93, 15.96 on a straight line: 0.03 a part; the readings' own 0.01 (two sd) scatter stands in for none:
    // 0.005/√2 · 12.706 = 0.045 in three parts, so three are not enough to tell; five are: 0.005/√10 · 3.182 = 0.005.
    let three = shank(&[15.90, 15.93, 15.96]).drift.unwrap();
    assert!((three.each_mm - 0.03).abs() < 1e-9 && (three.doubt_mm - 0.0449).abs() < 1e-3 && !three.real);
    let five = shank(&[15.90, 15.92, 15.94, 15.96, 15.98]);
    let drift = five.drift.unwrap();
    assert!((drift.each_mm - 0.02).abs() < 1e-9 && (drift.doubt_mm - 0.005_03).abs() < 1e-4 && drift.real);
    assert_eq!((format!("{:.3}", drift.next_mm).as_str(), drift.past_in), ("16.000", Some(2)));
    assert!(
        five.says.contains("0.020 mm larger a part") && five.says.contains("In 2 parts it would be past the limit: set the next 0.055 mm smaller"),
        "{}",
        five.says
    );
    assert!(five.chart.unwrap().shapes.iter().any(|s| s.role == "chart.drift"));
    assert!(shank(&[15.95, 15.96]).drift.is_none());
}

#[test]
fn scatter_is_seldom_called_drift_and_drift_seldom_missed() {
    let mut chance = Chance(77);
    let rate = |chance: &mut Chance, each: f64| {
        let called = (0..2000).filter(|_| {
            let sizes: Vec<f64> = (0..6).map(|i| 15.94 + each * i as f64 + 0.008 * chance.normal()).collect();
            shank(&sizes).drift.unwrap().real
        });
        called.count() as f64 / 2000.0
    };
    let (scatter, drift) = (rate(&mut chance, 0.0), rate(&mut chance, 0.012));
    assert!(scatter < 0.06, "{scatter}");
    assert!(drift > 0.9, "{drift}");
}

#[test]
fn a_tally_counts_good_and_scrapped_and_goes_out_as_a_sheet() {
    let mut made = parts(&[15.95, 15.95, 16.20, 15.95]);
    for (part, size) in made.iter_mut().zip([14.55, 14.56, 14.55, 14.55]) {
        part.threads = vec![read(size)];
    }
    made[1].scrapped = Some("bit dug in, \u{201c}oversize\u{201d}".into());
    made.insert(2, PartResult { place: 2, threads: vec![read(14.56)], job: "again".into(), ..made[0].clone() });
    let plan = sound(json!({"thread": {"callout": "M16x2-6g"}, "lathe": demo_lathe(2)}));
    let t = tally(&made, &[thread(plan.run.limits_mm)], &[("shank".into(), SHANK)], Voice::default());
    // Four wanted: the first, the second begun again, and the fourth are good; the third's shank is past its limit.
    assert_eq!((t.wanted, t.good, t.scrapped, t.says.as_str()), (4, 3, 1, "3 of 4 good, 1 scrapped."));
    assert_eq!(t.rows[3].cells[1].stands, SizeState::Out);
    assert_eq!((t.columns[0].read, t.columns[2].of_tool), (5, true));
    let sheet = tally_csv(&t);
    let mut reader = csv::Reader::from_reader(sheet.as_bytes());
    let head = reader.headers().unwrap().clone();
    let rows: Vec<csv::StringRecord> = reader.records().map(Result::unwrap).collect();
    assert_eq!((rows.len(), &head[0], &head[5], &rows[1][4]), (5, "part", "Pitch diameter mm", "bit dug in, \u{201c}oversize\u{201d}"));
    assert!((rows[3][7].parse::<f64>().unwrap() - 16.20).abs() < 1e-9 && &rows[3][8] == "no");
}

#[test]
fn a_part_is_good_only_with_every_thread_of_it() {
    let limits = [14.493, 14.673];
    let threads = [thread(limits), thread(limits), BatchThread { name: "M8-6H".into(), limits_mm: [7.188, 7.348] }];
    let part = |place, first, second| PartResult { job: format!("j{place}"), place, threads: vec![first, second, None], ..PartResult::default() };
    let mut made = vec![part(1, read(14.55), read(14.56)), part(2, read(14.55), Some(ThreadResult::default())), part(3, read(14.55), read(14.46))];
    made[0].threads[2] = Some(ThreadResult { verdict: read(14.55).unwrap().verdict, ..ThreadResult::default() });
    let of = |made: &[PartResult]| tally(made, &threads, &[], Voice::default());
    let t = of(&made);
    // Two of a name are told apart; the third is judged by limits of its own.
    let names: Vec<&str> = t.columns.iter().map(|c| c.name.as_str()).collect();
    assert_eq!(names[..3], ["M16×2-6g (1): Pitch diameter", "M16×2-6g (2): Pitch diameter", "M8-6H: Pitch diameter"]);
    assert_eq!(t.rows[0].cells[2].stands, SizeState::Out);
    assert_eq!((t.good, t.rows[1].cells[1].stands, t.rows[2].cells[1].stands), (0, SizeState::NotRead, SizeState::Out));
    let two = tally(&made, &threads[..2], &[], Voice::default());
    assert_eq!((two.good, two.wanted), (1, 3), "the second's other end is not read, the third's is past its limit");
}

#[test]
fn each_part_complete_sets_stops_and_jaws_again_where_each_chucking_does_not() {
    let op = BatchOp { set: 2.0, each: 5.0, handed: false };
    let setups = vec![BatchSetUp { id: String::new(), stands: 3.0, chuck: 1.0, again_mm: 0.08, ops: vec![op; 3] }; 2];
    let by = |across| orders(&setups, [6, 0], false, None, Voice::default()).into_iter().find(|o| o.across == across).unwrap();
    let (part, chucking) = (by(Across::EachPart), by(Across::EachChucking));
    // Six parts, two set-ups: twelve settings of stop and jaws against two, 3 minutes each.
    assert_eq!(part.settings - chucking.settings, 10);
    assert!((part.minutes - chucking.minutes - 30.0).abs() < 1e-9 && chucking.recommended);
}

fn found(flat_mm: f64, readings: usize) -> TipFound {
    TipFound {
        flat_mm,
        doubt_mm: 0.01,
        flat_text: String::new(),
        tip_to_pitch_mm: 1.0,
        spring: 0.2,
        spring_doubt: 0.05,
        mate_mm: None,
        readings,
        sure: true,
        says: String::new(),
    }
}

#[test]
fn the_next_part_begins_from_the_last_that_was_read() {
    assert!(carry_over(&[], None, Voice::default()).is_none());
    assert!(carry_over(&[(1, found(0.3, 0))], None, Voice::default()).is_none(), "a guess hands nothing on");
    let handed = carry_over(&[(1, found(0.28, 2)), (2, found(0.30, 2)), (3, found(0.4, 0))], None, Voice::default()).unwrap();
    assert_eq!((handed.from, handed.flat_mm), (2, [0.29, 0.33]));
    // The part made with it is laid out for the wider end, and knows the tip five times better than a guess.
    let base = json!({"thread": {"callout": "M16x2-6g"}, "lathe": demo_lathe(2)});
    let mut told = base.clone();
    told["bit"] = json!({"tip_flat_between_mm": handed.flat_mm});
    told["gauge"] = json!({"spring": {"share": handed.spring, "doubt": handed.spring_doubt}});
    let (guess, next) = (sound(base), sound(told));
    assert!(next.run.tip_doubt_mm < guess.run.tip_doubt_mm / 4.0, "{} {}", next.run.tip_doubt_mm, guess.run.tip_doubt_mm);
    assert_eq!(next.run.spring, Some([0.2, 0.025]));
}

#[test]
fn what_is_asked_of_a_batch_and_read_of_it_is_looked_through() {
    let at = |parts, hands| check_parts(parts, hands, Voice::default()).into_iter().map(|f| f.pointer).collect::<Vec<_>>();
    assert_eq!((at(6, 6), at(6, 0)), (vec![], vec![]));
    assert_eq!((at(1, 0), at(-3, 0), at(61, 0), at(6, 5)), (vec!["/parts".to_owned()], vec!["/parts".into()], vec!["/parts".into()], vec!["/hands".into()]));
    let (plain, _) =
        read_json::<yoke_core::batch::BatchFacts>(json!({"plain": [{"name": "shank", "nominal_mm": 16.0, "over_mm": 0.0, "under_mm": -0.11}, {"name": ""}]}));
    let faults = plain_limits(&plain.plain, Voice::default()).unwrap_err();
    assert!(faults.iter().all(|f| f.pointer.starts_with("/plain/1/")) && faults.len() == 2, "{faults:?}");
    let limits = plain_limits(&plain.plain[..1], Voice::default()).unwrap();
    assert!((limits[0].1[0] - 15.89).abs() < 1e-9);
    assert_eq!(check_sized("shank", 15.9, &limits, Voice::default()), Ok(()));
    let refused = |name: &str, mm: f64| check_sized(name, mm, &limits, Voice::default()).unwrap_err();
    assert_eq!((refused("head", 15.9).0, refused("shank", 0.626).0), ("/name", "/mm"));
    assert!(refused("shank", 0.626).1.contains("other unit") && refused("shank", 159.0).1.contains("read it again"));
}
