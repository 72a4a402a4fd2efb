//! The lathe learned from its plate and a minute's trial, gears to buy, and the day's order.

use proptest::prelude::*;
use serde_json::{Value, json};
use yoke_core::faults::{Fault, read_json};
use yoke_core::gears::{DayJob, Setting, TrialRequest, blank_card, day_order, pitches_wanted, purchases, standard_pitches};
use yoke_core::job::{Lathe, LatheProfile, Mounted, PlanRequest, PlateRead, PlateRequest, settle};
use yoke_core::quantity::{LengthUnit, Ratio};
use yoke_core::voice::Voice;
use yoke_trials::demo_lathe;

fn lathe(profile: &Value) -> Lathe {
    let (request, faults) = read_json::<PlanRequest>(json!({"thread": {"callout": "M20"}, "lathe": profile}));
    settle(&request, None, faults).unwrap_or_else(|f| panic!("{f:?}")).1
}

fn plate(screw: Value, plate: Value) -> Result<PlateRead, Vec<Fault>> {
    let profile: LatheProfile = serde_json::from_value(json!({ "leadscrew": screw })).unwrap();
    let request: PlateRequest = serde_json::from_value(plate).unwrap();
    request.read(&profile, Voice::default())
}

/// A plate that reads clean, then with one cell misread; the misread one is found, and what would fit is what stood there.
fn finds(screw: &Value, good: &Value, cell: (usize, usize), misread: f64, told: Option<&str>) {
    let clean = plate(screw.clone(), good.clone()).unwrap();
    assert!(clean.misread.is_empty(), "{:?}", clean.misread);
    let mut bad = good.clone();
    bad["cells"][cell.0][cell.1] = json!(misread);
    let read = plate(screw.clone(), bad).unwrap();
    let found: Vec<_> = read.misread.iter().map(|m| (m.row, m.column, m.fits.as_deref())).collect();
    assert_eq!(found, [(cell.0, cell.1, told)], "{good}");
    assert_eq!(read.positions.len() + 1, clean.positions.len());
    // Those that fit are as they were.
    assert!(read.positions.iter().all(|p| clean.positions.contains(p)));
}

#[test]
fn six_kinds_of_plate_are_read_and_one_misread_cell_found_in_each() {
    let (four, six, metric) = (json!({"tpi": 4}), json!({"tpi": 6}), json!({"pitch_mm": 6}));
    // 1. A tumbler of eight by three, threads per inch: 23 read for 22.
    let grid = json!({"unit": "in", "rows": ["A", "B", "C"], "columns": ["1", "2", "3", "4", "5", "6", "7", "8"],
        "cells": [[8, 9, 10, 11, 11.5, 12, 13, 14], [16, 18, 20, 22, 23, 24, 26, 28], [32, 36, 40, 44, 46, 48, 52, 56]]});
    finds(&four, &grid, (1, 3), 27.0, Some("22"));
    // By hand: 8 TPI on 4 TPI straight through is a half.
    let read = plate(four.clone(), grid.clone()).unwrap();
    assert_eq!((read.positions[0].name.as_str(), read.positions[0].ratio.0, read.positions.len()), ("A 1", Ratio::new(1, 2), 24));
    // 2. Millimetres, two levers: 1.57 read for 1.75.
    let mm = json!({"unit": "mm", "rows": ["I", "II", "III"], "columns": ["a", "b", "c", "d"], "cells": [[1, 1.25, 1.5, 1.75], [2, 2.5, 3, 3.5], [0.5, 0.625, 0.75, 0.875]]});
    finds(&metric, &mm, (0, 3), 1.57, Some("1.75"));
    // 3. With empty cells: 4.5 read for 5.
    let holes =
        json!({"unit": "in", "rows": ["L", "M", "H"], "columns": ["1", "2", "3", "4"], "cells": [[4, 5, null, 7], [8, 10, 12, 14], [null, 20, 24, 28]]});
    finds(&four, &holes, (0, 1), 4.5, Some("5"));
    // 4. Metric rows with other change gears: on 6 TPI, 40/120 and 40/60 stand a factor of two apart, and are taken out first.
    let other = json!({"unit": "in", "rows": ["fine", "coarse", "slow"], "columns": ["1", "2", "3", "4"], "gears": {"drivers": [40], "driven": [120]},
        "row_gears": [null, {"drivers": [40], "driven": [60]}, null], "cells": [[36, 40, 44, 48], [18, 20, 22, 24], [72, 80, 88, 96]]});
    finds(&six, &other, (2, 1), 8.0, Some("80"));
    // The coarse row's ratio is that of the fine one: same lever, other gears.
    let read = plate(six.clone(), other).unwrap();
    assert_eq!(read.positions[0].ratio, read.positions[4].ratio);
    // 5. One lever only: 65 read for 6.5 stands out of order; nothing says what it should be.
    let list = json!({"unit": "in", "rows": ["lever"], "columns": ["1", "2", "3", "4", "5", "6"], "cells": [[4, 4.5, 5, 6, 6.5, 7]]});
    finds(&four, &list, (0, 4), 65.0, None);
    // 6. Two levers that multiply, rounded to two places as metric plates on an inch screw are: 0.56, read 0.65; the rest, rounded
    // as they are, would have it at 0.567.
    let rounded =
        json!({"unit": "mm", "rows": ["1:1", "2:1", "4:1"], "columns": ["p", "q", "r"], "cells": [[0.28, 0.35, 0.42], [0.56, 0.71, 0.85], [1.13, 1.41, 1.69]]});
    finds(&four, &rounded, (1, 0), 0.65, Some("0.57"));
}

#[test]
fn a_plate_that_cannot_be_read_says_where() {
    for (bad, pointer) in [
        (json!({}), "/rows"),
        (json!({"rows": ["A"], "columns": ["1"], "cells": []}), "/cells"),
        (json!({"rows": ["A"], "columns": ["1", "2"], "cells": [[4]]}), "/cells/0"),
        (json!({"rows": ["A"], "columns": ["1"], "cells": [[0]]}), "/cells/0/0"),
        (json!({"rows": ["A"], "columns": ["1"], "cells": [[4]], "gears": {"drivers": [3], "driven": [40]}}), "/gears/drivers/0"),
        (json!({"rows": ["A"], "columns": ["1"], "cells": [[4]], "row_gears": [{"drivers": [30], "driven": []}]}), "/row_gears/0"),
    ] {
        let faults = plate(json!({"tpi": 4}), bad.clone()).unwrap_err();
        assert!(faults.iter().any(|f| f.pointer == pointer), "{bad}: {faults:?}");
    }
}

#[test]
fn a_minutes_trial_tells_the_fixed_ratio_and_the_dial() {
    let profile: LatheProfile = serde_json::from_value(demo_lathe(0)).unwrap();
    let of = |trial: Value| serde_json::from_value::<TrialRequest>(trial).unwrap().read(&profile, Voice::default());
    // 40/80 on 4 TPI goes 3.175 a turn; ten turns that go 63.4 mean the spindle stud runs at two to one, near enough.
    let said = of(json!({"spindle_turns": 10, "travel_mm": 63.4, "train": {"drivers": [40], "driven": [80]}})).unwrap();
    assert_eq!(said.fixed_ratio.as_deref(), Some("2/1"), "{:?}", said.says);
    let odd = of(json!({"spindle_turns": 10, "travel_mm": 43.3, "train": {"drivers": [40], "driven": [80]}})).unwrap();
    assert!(odd.fixed_ratio.is_none() && odd.says[0].contains("no simple ratio"), "{:?}", odd.says);
    // Four turns of the screw pass a quarter of a sixteen-tooth dial: two of its eight marks.
    assert_eq!(of(json!({"screw_turns": 4, "marks_passed": 2, "marks": 8})).unwrap().dial_teeth, Some(16));
    for (bad, pointer) in [
        (json!({}), "/spindle_turns"),
        (json!({"spindle_turns": 10}), "/travel_mm"),
        (json!({"marks": 8}), "/marks"),
        (json!({"spindle_turns": 10, "travel_mm": 30, "gearbox": "Z"}), "/gearbox"),
    ] {
        assert!(of(bad.clone()).unwrap_err().iter().any(|f| f.pointer == pointer), "{bad}");
    }
}

#[test]
fn a_list_of_pitches_wanted_is_read_exactly_or_refused_by_name() {
    let list = pitches_wanted("1.75; 11.5 TPI, 2 x 5 tpi, 3/4 mm", LengthUnit::Mm, Voice::default()).unwrap();
    let leads: Vec<Ratio> = list.iter().map(|p| p.1).collect();
    // By hand: 7/4; 25.4/11.5 = 254/115; twice 25.4/5 = 254/25; 3/4.
    assert_eq!(leads, [Ratio::new(7, 4), Ratio::new(254, 115), Ratio::new(254, 25), Ratio::new(3, 4)]);
    assert_eq!(list.iter().map(|p| p.0.as_str()).collect::<Vec<_>>(), ["1.75 mm", "11.5 TPI", "2 × 5 TPI", "0.75 mm"]);
    assert_eq!(pitches_wanted("8", LengthUnit::In, Voice::default()).unwrap()[0].1, Ratio::new(127, 40));
    for bad in ["", "brass", "0 mm", "99 x 1 mm", "1e9", "1/0", "x", "-2 TPI", "２"] {
        assert!(pitches_wanted(bad, LengthUnit::Mm, Voice::default()).is_err(), "{bad}");
    }
    assert!(pitches_wanted(&"1,".repeat(41), LengthUnit::Mm, Voice::default()).unwrap_err().contains("40"));
}

#[test]
fn the_gear_to_buy_is_the_one_that_brings_most() {
    // Without its 127 the Long bed cuts no metric pitch; with it, those its other gears allow: so that is what it is told to buy.
    let mut profile = demo_lathe(0);
    let gears = profile["gear_groups"][0]["gears"].as_array_mut().unwrap();
    gears.retain(|g| g != 127);
    let without = lathe(&profile);
    let wanted: Vec<(String, Ratio)> = standard_pitches()
        .into_iter()
        .filter(|p| ["1 mm", "1.25 mm", "1.5 mm", "2 mm", "2.5 mm", "8 TPI"].contains(&p.0.as_str()))
        .map(|p| (p.0, p.2))
        .collect();
    let told = purchases(&without, &wanted, 0.0, Voice::default());
    assert_eq!(
        (told.wanted, told.covered, told.singles[0].gears[0].teeth),
        (6, 1, 127),
        "{:?}",
        told.singles.iter().map(|s| (s.gears[0].teeth, &s.brings)).collect::<Vec<_>>()
    );
    // What it says is brought is what the lathe with that gear really cuts, and no other gear brings more.
    for single in &told.singles {
        assert!(single.brings.len() <= told.singles[0].brings.len() && single.covered == told.covered + single.brings.len());
    }
    let all = purchases(&lathe(&demo_lathe(0)), &wanted, 0.0, Voice::default());
    assert_eq!(all.missing.len() + all.covered, 6);
    assert!(told.singles[0].brings.iter().all(|b| !all.missing.contains(b)));
    // The card by hand, 14 DP: outside 129/14 in, depth 2.25/14 in; 40/127 of a turn.
    let card = blank_card(&without, 127, Voice::default());
    assert!((card.outside_mm.value - 129.0 / 14.0 * 25.4).abs() < 1e-9 && (card.depth_mm.value - 2.25 / 14.0 * 25.4).abs() < 1e-9);
    assert!(card.dividing.starts_with("40/127 of a turn") && card.says.contains("14 DP"), "{card:?}");
    // 20 DP and finer: 2.2/DP and two thou.
    let fine = lathe(&json!({"leadscrew": {"tpi": 8}, "gear_groups": [{"dp": 20, "gears": [20, 40, 30]}]}));
    assert!((blank_card(&fine, 30, Voice::default()).depth_mm.value - (2.2 / 20.0 + 0.002) * 25.4).abs() < 1e-9);
    assert!(blank_card(&fine, 30, Voice::default()).dividing.starts_with("1 turn and 1/3"));
}

fn any_day() -> impl Strategy<Value = Vec<DayJob>> {
    prop::collection::vec((0_u8..2, prop::collection::vec(0_usize..4, 1..3), 0_u8..3, 0_u8..4), 1..8).prop_map(|list| {
        list.iter()
            .enumerate()
            .map(|(i, (lathe, gears, lever, angle))| DayJob {
                id: format!("j{i}"),
                title: format!("job {i}"),
                lathe: format!("lathe {lathe}"),
                // The last of the four is made by a die.
                setting: (*angle < 3).then(|| Setting {
                    train: Mounted {
                        drivers: gears.iter().map(|g| [20, 30, 40, 50][*g]).collect(),
                        driven: gears.iter().map(|g| [60, 70, 80, 127][*g]).collect(),
                    },
                    gearbox: format!("p{lever}"),
                    compound_deg: [None, Some(29.5), Some(14.5)][usize::from(*angle)],
                    bit_deg: Some([60.0, 55.0, 29.0][usize::from(*angle)]),
                }),
                begun: false,
                after: None,
            })
            .collect()
    })
}

/// Changes from one setting to the next, counted afresh.
fn between(a: &Setting, b: &Setting) -> usize {
    let missing = |wanted: &[u16], on: &[u16]| {
        let mut on = on.to_vec();
        wanted.iter().filter(|t| on.iter().position(|o| o == *t).map(|i| on.remove(i)).is_none()).count()
    };
    let moved = |x: Option<f64>, y: Option<f64>| usize::from(y.is_some() && x != y);
    // What goes on and what comes off.
    missing(&b.train.drivers, &a.train.drivers)
        + missing(&b.train.driven, &a.train.driven)
        + missing(&a.train.drivers, &b.train.drivers)
        + missing(&a.train.driven, &b.train.driven)
        + usize::from(a.gearbox != b.gearbox)
        + moved(a.compound_deg, b.compound_deg)
        + moved(a.bit_deg, b.bit_deg)
}

fn least(from: &Setting, left: &mut Vec<&DayJob>) -> usize {
    if left.is_empty() {
        return 0;
    }
    (0..left.len())
        .map(|i| {
            let job = left.remove(i);
            let total = job.setting.as_ref().map_or(0, |to| between(from, to)) + least(job.setting.as_ref().unwrap_or(from), left);
            left.insert(i, job);
            total
        })
        .min()
        .unwrap()
}

proptest! {
    #![proptest_config(ProptestConfig::with_cases(80))]

    #[test]
    fn the_days_order_is_that_of_brute_force(jobs in any_day()) {
        let now = |_: &str| Setting { train: Mounted { drivers: vec![40], driven: vec![80] }, ..Setting::default() };
        let day = day_order(&jobs, &now, Voice::default());
        let brute: usize = ["lathe 0", "lathe 1"].iter().map(|l| least(&now(l), &mut jobs.iter().filter(|j| j.lathe == *l).collect())).sum();
        prop_assert_eq!(day.changes, brute);
        prop_assert!(day.changes <= day.as_given || day.as_given == brute);
        let mut ids: Vec<&str> = day.steps.iter().map(|s| s.id.as_str()).collect();
        ids.sort_unstable();
        prop_assert_eq!(ids, jobs.iter().map(|j| j.id.as_str()).collect::<Vec<_>>(), "every job once");
        for step in &day.steps {
            prop_assert_eq!(step.count == 0, step.changes.is_empty());
        }
    }
}

#[test]
fn a_long_day_is_never_worse_than_the_order_given() {
    let job = |i: usize| DayJob {
        id: format!("{i}"),
        title: format!("{i}"),
        lathe: "Long bed".into(),
        setting: Some(Setting {
            train: Mounted { drivers: vec![[20, 30, 40][i % 3]], driven: vec![[60, 80][i % 2]] },
            gearbox: format!("{}", i % 4),
            compound_deg: None,
            bit_deg: Some([60.0, 55.0][i / 8 % 2]),
        }),
        begun: false,
        after: None,
    };
    let jobs: Vec<DayJob> = (0..24).map(job).collect();
    let day = day_order(&jobs, &|_| Setting::default(), Voice::default());
    assert!(day.changes < day.as_given && day.steps.len() == 24, "{} of {}", day.changes, day.as_given);
    // Two told what the other was made to each follow the other: neither waits, and none is lost, short day or long.
    for n in [4, 24] {
        let mut jobs: Vec<DayJob> = (0..n).map(job).collect();
        (jobs[1].after, jobs[2].after) = (Some("2".into()), Some("1".into()));
        assert_eq!(day_order(&jobs, &|_| Setting::default(), Voice::default()).steps.len(), n);
    }
}

proptest! {
    /// A job in mid-cut stays before all others on its lathe, whatever that changes, and a pair keeps its order.
    #[test]
    fn what_is_begun_goes_first_and_a_pair_keeps_its_order(mut jobs in any_day(), begun in 0_usize..8, second in 0_usize..8, first in 0_usize..8) {
        let n = jobs.len();
        let (begun, second, first) = (begun % n, second % n, first % n);
        jobs[begun].begun = true;
        let paired = first != second && second != begun && jobs[first].lathe == jobs[second].lathe;
        if paired {
            jobs[second].after = Some(jobs[first].id.clone());
        }
        let day = day_order(&jobs, &|_| Setting::default(), Voice::default());
        prop_assert_eq!(day.steps.len(), n);
        let on: Vec<&str> = day.steps.iter().filter(|s| s.lathe == jobs[begun].lathe).map(|s| s.id.as_str()).collect();
        prop_assert_eq!(on[0], jobs[begun].id.as_str());
        if paired {
            let place = |i: usize| day.steps.iter().position(|s| s.id == jobs[i].id);
            prop_assert!(place(first) < place(second));
        }
    }
}
