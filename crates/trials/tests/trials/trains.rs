//! The search and the arm: best against brute force, layouts worked by hand, filters, pieces and bound gears.

use proptest::prelude::*;
use serde_json::{Value, json};
use yoke_core::faults::read_json;
use yoke_core::gears::{Beside, Fit, Sense, Table, Train, Wanted, blank_card as card, hangs, purchases, search};
use yoke_core::job::{Gear, Lathe, PlanRequest, settle};
use yoke_core::quantity::{Exact, Ratio, real};
use yoke_core::shop::remember_trains;
use yoke_core::voice::Voice;
use yoke_trials::{SinglePoint, demo_lathe, reckon, sound, watches};

fn lathe(profile: Value) -> Lathe {
    let (request, faults) = read_json::<PlanRequest>(json!({"thread": {"callout": "M20"}, "lathe": profile}));
    settle(&request, None, faults).unwrap_or_else(|f| panic!("{f:?}")).1
}

/// One gear as the brute force knows it: teeth, module group, piece, and whether it goes on spindle, stud, leadscrew.
#[derive(Debug, Clone, PartialEq)]
struct Loose {
    teeth: i64,
    group: usize,
    piece: Option<usize>,
    on: [bool; 3],
}

/// Every ordered pick of gears, each used once, that can be put together: the least error there is, in exact terms.
fn brute(gears: &[Loose], pairs: usize, required: Ratio, levers: &[Ratio]) -> Option<Ratio> {
    fn pick(gears: &[Loose], taken: &mut Vec<usize>, wanted: usize, each: &mut impl FnMut(&[usize])) {
        if taken.len() == wanted {
            return each(taken);
        }
        for i in 0..gears.len() {
            if !taken.contains(&i) {
                taken.push(i);
                pick(gears, taken, wanted, each);
                taken.pop();
            }
        }
    }
    let mut best: Option<Ratio> = None;
    for pairs in 1..=pairs {
        // Spindle end first: driver, driven, driver, driven …
        pick(gears, &mut Vec::new(), pairs * 2, &mut |order| {
            let at = |i: usize| &gears[order[i]];
            for i in 0..pairs {
                if at(2 * i).group != at(2 * i + 1).group {
                    return;
                }
            }
            let last = pairs * 2 - 1;
            for i in 0..=last {
                let place = if i == 0 {
                    0
                } else if i == last {
                    2
                } else {
                    1
                };
                if !at(i).on[place] {
                    return;
                }
                // A piece's other half stands on the same stud, or the piece is not used.
                if at(i).piece.is_some() {
                    let partner = if i % 2 == 1 { i + 1 } else { i.wrapping_sub(1) };
                    if i == 0 || i == last || at(partner).piece != at(i).piece {
                        return;
                    }
                }
            }
            let product = |from: usize| (from..=last).step_by(2).map(|i| i128::from(at(i).teeth)).product::<i128>();
            let made = Ratio::new(product(0), product(1));
            for lever in levers {
                let off = made * lever / required - Ratio::from_integer(1);
                let off = if off < Ratio::from_integer(0) { -off } else { off };
                if best.is_none_or(|b| off < b) {
                    best = Some(off);
                }
            }
        });
    }
    best
}

fn described(gears: &[Loose], compounds: usize, levers: &[Ratio]) -> Value {
    let words = ["spindle", "stud", "leadscrew"];
    let groups: Vec<Value> = (0..2)
        .filter(|g| gears.iter().any(|x| x.group == *g))
        .map(|g| {
            let own: Vec<&Loose> = gears.iter().filter(|x| x.group == g).collect();
            let mut joined: Vec<Vec<i64>> = Vec::new();
            for piece in 0..3 {
                let both: Vec<i64> = own.iter().filter(|x| x.piece == Some(piece)).map(|x| x.teeth).collect();
                if both.len() == 2 {
                    joined.push(both);
                }
            }
            let bound: Vec<Value> = own
                .iter()
                .filter(|x| x.on != [true; 3])
                .map(|x| json!({"teeth": [x.teeth], "on": (0..3).filter(|i| x.on[*i]).map(|i| words[i]).collect::<Vec<_>>()}))
                .collect();
            json!({"module_mm": if g == 0 { 1.0 } else { 1.5 }, "gears": own.iter().map(|x| x.teeth).collect::<Vec<_>>(), "joined": joined, "bound": bound})
        })
        .collect();
    let gearbox: Vec<Value> =
        levers.iter().enumerate().map(|(i, l)| json!({"name": format!("p{i}"), "ratio": format!("{}/{}", l.numer(), l.denom())})).collect();
    json!({"leadscrew": {"tpi": 4}, "gear_groups": groups, "max_compounds": compounds, "gearbox": gearbox})
}

/// A drawer: gears of one or two modules, some joined, some bound; all of a tooth count are bound alike.
fn any_drawer(most: usize) -> impl Strategy<Value = Vec<Loose>> {
    (prop::collection::vec((18_i64..60, 0_usize..5, 0_u8..10), 3..most), prop::bool::ANY, prop::bool::ANY).prop_map(|(list, one_module, join)| {
        let mut gears: Vec<Loose> = list
            .iter()
            .map(|(teeth, group, bind)| Loose {
                teeth: *teeth,
                group: if one_module { 0 } else { usize::from(*group == 0) },
                piece: None,
                on: match bind {
                    0 => [true, false, false],
                    1 => [false, true, true],
                    _ => [true; 3],
                },
            })
            .collect();
        for i in 1..gears.len() {
            // The same tooth count in one group has one binding: it is told by teeth.
            if let Some(first) = (0..i).find(|j| gears[*j].teeth == gears[i].teeth && gears[*j].group == gears[i].group) {
                gears[i].on = gears[first].on;
            }
        }
        if join && gears.len() >= 4 && gears[0].group == gears[1].group && gears[0].teeth != gears[1].teeth {
            // Joined by teeth too, so only counts that are there once.
            let alone = |k: usize| gears.iter().filter(|g| g.teeth == gears[k].teeth && g.group == gears[k].group).count() == 1;
            if alone(0) && alone(1) {
                gears[0].piece = Some(0);
                gears[1].piece = Some(0);
            }
        }
        gears
    })
}

fn best_of(gears: &[Loose], compounds: usize, required: Ratio, levers: &[Ratio]) -> Option<Ratio> {
    let lathe = lathe(described(gears, compounds, levers));
    let (_, found) = search(&lathe, &Table::of(&lathe), &required, &Wanted { limit: 5, ..Wanted::default() });
    assert!(found.iter().filter(|f| f.closest).count() == usize::from(!found.is_empty()));
    found.iter().find(|f| f.closest).map(|f| {
        let off = f.ratio / required - Ratio::from_integer(1);
        if off < Ratio::from_integer(0) { -off } else { off }
    })
}

/// The least error of every ordered pick of two or four gears that hangs, each gear used once.
fn closest_that_hangs(lathe: &Lathe, gears: &[Gear], required: Ratio) -> Option<Ratio> {
    let mut best: Option<Ratio> = None;
    let mut look = |order: &[usize]| {
        let at = |first: usize| order.iter().skip(first).step_by(2).map(|i| gears[*i]).collect::<Vec<Gear>>();
        let train = Train { drivers: at(0), driven: at(1), gearbox: 0 };
        let product = |side: &[Gear]| side.iter().map(|g| i128::from(g.teeth)).product::<i128>();
        let off = Ratio::new(product(&train.drivers), product(&train.driven)) / required - Ratio::from_integer(1);
        let off = if off < Ratio::from_integer(0) { -off } else { off };
        if best.is_none_or(|b| off < b) && hangs(lathe, &train, &[], None).hangs {
            best = Some(off);
        }
    };
    let all = 0..gears.len();
    for (a, b) in all.clone().flat_map(|a| all.clone().map(move |b| (a, b))).filter(|(a, b)| a != b) {
        look(&[a, b]);
        for (c, d) in all.clone().flat_map(|c| all.clone().map(move |d| (c, d))).filter(|(c, d)| c != d && ![a, b].contains(c) && ![a, b].contains(d)) {
            look(&[a, b, c, d]);
        }
    }
    best
}

proptest! {
    #![proptest_config(ProptestConfig::with_cases(12))]

    /// Gears to make or buy, with an error allowed: what serves already, and which single gears would, are those of brute force.
    #[test]
    fn what_to_buy_within_an_error_is_that_of_brute_force(
        teeth in prop::collection::vec(prop::sample::select(&[20_i64, 24, 30, 35, 40, 45, 50, 60, 63, 80]), 3..5),
        pitch in prop::sample::select(&["1.25", "1.75", "0.7", "127/55", "2.5", "1.3"]),
        within in prop::sample::select(&[0.0, 1e-4, 5e-4, 1e-3]),
    ) {
        let lathe = lathe(json!({"leadscrew": {"tpi": 8}, "gears": teeth, "max_compounds": 1}));
        let lead = Exact::parse(pitch).unwrap().0;
        let required = lead / Ratio::new(254, 80);
        let serves = |gears: &[Gear]| closest_that_hangs(&lathe, gears, required).filter(|off| real(off) <= within);
        let owned = lathe.gears.clone();
        let told = purchases(&lathe, &[("it".into(), lead)], within, Voice::default());
        let now = serves(&owned);
        prop_assert_eq!(told.covered == 1, now.is_some());
        prop_assert_eq!(told.serves.len(), usize::from(now.is_some_and(|off| off > Ratio::from_integer(0))));
        for one in &told.serves {
            prop_assert!((one.error_ppm - real(&now.unwrap()) * 1e6).abs() < 1e-6, "{one:?} for {now:?}");
        }
        let would: Vec<u16> = if now.is_some() { Vec::new() } else { (18_u16..=130).filter(|more| serves(&[owned.clone(), vec![Gear::loose(*more, 0)]].concat()).is_some()).take(5).collect() };
        let offered: Vec<u16> = told.singles.iter().map(|p| p.gears[0].teeth).collect();
        prop_assert_eq!(offered, would);
    }
}

proptest! {
    #![proptest_config(ProptestConfig::with_cases(60))]

    /// Two and four gears, repeats, two modules, pieces and bound gears, with levers.
    #[test]
    fn best_of_four_is_that_of_brute_force(gears in any_drawer(9), n in 1_i128..12, d in 1_i128..12, lever in 1_i128..5) {
        let (required, levers) = (Ratio::new(n, d), [Ratio::new(1, 1), Ratio::new(1, lever), Ratio::new(lever, 3)]);
        prop_assert_eq!(best_of(&gears, 1, required, &levers), brute(&gears, 2, required, &levers), "{:?}", gears);
    }

    /// Six gears.
    #[test]
    fn best_of_six_is_that_of_brute_force(gears in any_drawer(8), n in 1_i128..12, d in 1_i128..12) {
        let (required, levers) = (Ratio::new(n, d), [Ratio::new(1, 1)]);
        prop_assert_eq!(best_of(&gears, 2, required, &levers), brute(&gears, 3, required, &levers), "{:?}", gears);
    }
}

/// An arm of module 2, so that a centre distance is simply the sum of the teeth.
fn arm_of_two(centres: f64, near: f64, far: f64, studs: i64) -> Lathe {
    lathe(json!({"leadscrew": {"tpi": 4}, "max_compounds": 2, "gear_groups": [{"module_mm": 2.0, "gears": "20-80/5, 127"}],
        "arm": {"stud_to_leadscrew_mm": centres, "slot_reach_mm": [near, far], "shaft_radius_mm": 10, "studs": studs}}))
}

#[test]
fn layouts_worked_by_hand() {
    // Module 2: centres are z1 + z2, tips z + 2; shafts clear by more than 1 round 10.
    let of = |arm: &Lathe, drivers: &[u16], driven: &[u16], spare: &[u16], sense: Option<Sense>| {
        let gears = |list: &[u16]| list.iter().map(|t| Gear::loose(*t, 0)).collect::<Vec<_>>();
        hangs(arm, &Train { drivers: gears(drivers), driven: gears(driven), gearbox: 0 }, &gears(spare), sense)
    };
    let why = |fit: &Fit| fit.why_not.as_ref().unwrap().said(Voice::default());
    let arm = arm_of_two(120.0, 50.0, 150.0, 2);
    // 1. 40 and 80 direct: 120 apart, just the centres there are.
    let direct = of(&arm, &[40], &[80], &[], None);
    assert!(direct.hangs && direct.idlers.is_empty() && direct.shafts.len() == 2);
    // 2. 30 and 40 direct are 70: 50 too short; the 45 bridges: 75 and 85 close on 120.
    let bridged = of(&arm, &[30], &[40], &[45], None);
    assert!(bridged.hangs && bridged.idlers[0].gear.teeth == 45, "{:?}", bridged.why_not);
    // 3. With only a 20 to bridge it: 50 + 60 = 110, 10 short.
    let short = of(&arm, &[30], &[40], &[20], None);
    assert!(!short.hangs && why(&short).contains("10.0 mm short"), "{:?}", short.why_not);
    // 4. 70 and 60 in one plane: tips 72 + 62 = 134 over 120, 14 of foul, idler or no.
    let foul = of(&arm, &[70], &[60], &[45], None);
    assert!(!foul.hangs && why(&foul).contains("the 70 fouls the 60 by 14.0 mm"), "{:?}", foul.why_not);
    // 5. 40/60 · 30/50: stud 100 from the spindle, 80 from the screw; the 60's tip 62 + 10 leaves 8, the 30's 32 + 10 leaves 58.
    let compound = of(&arm, &[40, 30], &[60, 50], &[], None);
    assert!(compound.hangs, "{:?}", compound.why_not);
    let room = |to: Beside| compound.clearances.iter().find(|c| c.to == to && [60, 30].contains(&c.of)).unwrap().mm;
    assert!((room(Beside::Leadscrew) - 8.0).abs() < 1e-9 && (room(Beside::SpindleStud) - 58.0).abs() < 1e-9, "{:?}", compound.clearances);
    // 6. 40/75 · 30/50: the 75's tip 77 + 10 over 80: fouls the leadscrew by 7.
    let fouls = of(&arm, &[40, 30], &[75, 50], &[], None);
    assert_eq!(why(&fouls), "the 75 fouls the leadscrew by 7.0 mm");
    // 7. 40/60 · 30/38 would stand 68 away: 62 + 10 fouls by 4; by one tooth more each way it still lacks the millimetre.
    let near = of(&arm, &[40, 30], &[67, 50], &[], None);
    assert!(!near.hangs && why(&near).contains("by only 1.0 mm"), "{:?}", near.why_not);
    // 8. The first stud past the slot: 20/80 · 75/80 stands 155 from the leadscrew, the slot ends at 150.
    let past = of(&arm, &[20, 75], &[80, 80], &[], None);
    assert!(why(&past).contains("155.0 mm from the leadscrew, past the slot's 150"), "{:?}", past.why_not);
    // 9. Inside it: 60/80 · 20/25 stands 45 away.
    let inside = of(&arm, &[60, 20], &[80, 25], &[], None);
    assert!(why(&inside).contains("45.0 mm from the leadscrew, inside the slot's 50"), "{:?}", inside.why_not);
    // 10. Too unequal: 20/25 is 45, 80/127 is 207; 45 + 120 is under 207.
    let wide = arm_of_two(120.0, 20.0, 400.0, 2);
    assert!(why(&of(&wide, &[20, 80], &[25, 127], &[], None)).contains("unequal"));
    // 11. Six gears on two studs in line: 40/60 · 30/35 · 25/70: second stud 95 from the screw, first 95 + 65 = 160 and 100
    // from the spindle, 250 between shafts. Tip of 60 at the first, 62, against the 25's 27 in its plane: 65 apart, fouls by 24.
    let long = arm_of_two(250.0, 20.0, 400.0, 2);
    let six = of(&long, &[40, 30, 25], &[60, 35, 70], &[], None);
    assert_eq!(why(&six), "the 60 fouls the 25 by 24.0 mm");
    // 12. 20/40 · 45/65 · 20/80: studs 100, then 210 from the screw; 60 from the spindle: 42 + 22 against 110. It hangs.
    let hung = of(&long, &[20, 45, 20], &[40, 65, 80], &[], None);
    assert!(hung.hangs && hung.shafts.len() == 4, "{:?}", hung.why_not);
    let from_screw: Vec<f64> = hung.shafts.iter().map(|p| p[0].hypot(p[1])).collect();
    assert!((from_screw[1] - 210.0).abs() < 1e-9 && (from_screw[2] - 100.0).abs() < 1e-9, "{from_screw:?}");
    // 13. The same on an arm with one stud has nowhere to stand.
    assert!(!of(&arm_of_two(250.0, 20.0, 400.0, 1), &[20, 45, 20], &[40, 65, 80], &[], None).hangs);
    // 14. The leadscrew must turn against the spindle and no tumbler turns it: two meshes will not do, three do. 30, 50, 45, 40
    // on 190: studs 85 and 180 from the screw; the 30 stands clear of the 45 by what the cosine rule leaves.
    let wide = arm_of_two(190.0, 50.0, 200.0, 2);
    assert!(!of(&wide, &[30], &[40], &[60], Some(Sense::Against)).hangs);
    let two = of(&wide, &[30], &[40], &[45, 50], Some(Sense::Against));
    assert!(two.hangs && two.idlers.len() == 2 && two.meshes.len() == 3, "{:?}", two.why_not);
    let (second, first) = (f64::from(two.idlers[1].gear.teeth) + 40.0, f64::from(two.idlers[0].gear.teeth) + 30.0);
    let out = 95.0 + second;
    let cosine = (190.0_f64.powi(2) + out * out - first * first) / (2.0 * 190.0 * out);
    let apart = (190.0_f64.powi(2) + second * second - 2.0 * 190.0 * second * cosine).sqrt();
    let room = apart - 32.0 - f64::from(two.idlers[1].gear.teeth + 2);
    let told = two.clearances.iter().find(|c| c.of == 30 && c.to == Beside::Gear(two.idlers[1].gear.teeth)).unwrap();
    assert!((told.mm - room).abs() < 1e-9, "{told:?} but {room}");
}

#[test]
fn filters_pieces_and_bound_gears_hold_in_every_row() {
    let mut profile = demo_lathe(0);
    profile["gear_groups"][0]["joined"] = json!([[60, 28]]);
    profile["gear_groups"][0]["bound"] = json!([{"teeth": [127], "on": ["leadscrew"]}, {"teeth": [24], "on": ["stud", "spindle"]}]);
    let rows = |gears: Value| sound(json!({"thread": {"callout": "M20x2.5"}, "lathe": profile, "gears": gears})).point().gears.trains.clone();
    for row in rows(json!({"limit": 100})) {
        assert!(!row.drivers.contains(&127) && !row.driven[..row.driven.len() - 1].contains(&127), "{row:?}");
        assert!(row.driven.last() != Some(&24) && row.drivers[0] != 60 && row.drivers[0] != 28);
        for (piece, other) in [(60, 28), (28, 60)] {
            assert!(!row.driven.contains(&piece) || row.drivers.len() == 2 && row.driven[0] == piece && row.drivers[1] == other, "{row:?}");
        }
    }
    assert!(rows(json!({"exact_only": true, "limit": 100})).iter().all(|r| r.error_ppm == 0.0));
    assert!(rows(json!({"max_error_ppm": 200, "limit": 100})).iter().all(|r| r.error_ppm.abs() <= 200.0));
    let kept = rows(json!({"keep": {"drivers": [40]}, "limit": 40}));
    assert!(!kept.is_empty() && kept.iter().all(|r| r.drivers.contains(&40)), "{kept:?}");
    assert!(rows(json!({"max_changes": 1, "limit": 40})).iter().all(|r| r.swaps <= 2), "one gear changed is one off and one on");
    let none = sound(json!({"thread": {"callout": "M20x2.5"}, "lathe": profile, "gears": {"exact_only": true, "max_changes": 0}}));
    assert!(none.point().gears.trains.is_empty() && none.watch.iter().any(|w| w.code.name() == "train_unfit" && w.text.contains("asked of it")));
    for (gears, pointer) in [
        (json!({"gearbox": "Z"}), "/gears/gearbox"),
        (json!({"max_error_ppm": -1}), "/gears/max_error_ppm"),
        (json!({"keep": {"drivers": [3]}}), "/gears/keep/drivers/0"),
    ] {
        let faults = reckon(json!({"thread": {"callout": "M20"}, "lathe": profile, "gears": gears})).unwrap_err();
        assert_eq!(faults[0].pointer, pointer);
    }
}

#[test]
fn a_drawer_is_read_as_it_is_written() {
    let owned = |gears: Value| lathe(json!({"leadscrew": {"tpi": 8}, "gears": gears})).gears.iter().map(|g| g.teeth).collect::<Vec<_>>();
    assert_eq!(owned(json!("20-65/5, 2x40, 127")), [20, 25, 30, 35, 40, 45, 50, 55, 60, 65, 40, 40, 127]);
    assert_eq!(owned(json!([24, "28-30", "2 × 60"])), [24, 28, 29, 30, 60, 60]);
    for (gears, pointer, part) in [
        (json!("20-66/5, 40"), "/lathe/gears", "never reaches 66"),
        (json!([24, "forty"]), "/lathe/gears/1", "20-65/5"),
        (json!([24, "2-9"]), "/lathe/gears/1", "5 to 400"),
        (json!("5-400"), "/lathe/gears", "2 to 120"),
    ] {
        let faults = reckon(json!({"thread": {"callout": "M20"}, "lathe": {"gears": gears}})).unwrap_err();
        assert!(faults.iter().any(|f| f.pointer == pointer && f.detail.contains(part)), "{gears}: {faults:?}");
    }
    for (extra, pointer) in [
        (json!({"joined": [[24, 99]]}), "/lathe/joined/0"),
        (json!({"bound": [{"teeth": [99], "on": ["stud"]}]}), "/lathe/bound/0/teeth/0"),
        (json!({"bound": [{"teeth": [24], "on": []}]}), "/lathe/bound/0/on"),
    ] {
        let mut profile = json!({"gears": [24, 28, 127]});
        profile.as_object_mut().unwrap().extend(extra.as_object().unwrap().clone());
        let faults = reckon(json!({"thread": {"callout": "M20"}, "lathe": profile})).unwrap_err();
        assert_eq!(faults[0].pointer, pointer, "{faults:?}");
    }
}

#[test]
fn an_idler_turns_the_leadscrew_where_the_tumbler_cannot() {
    let mut profile = demo_lathe(0);
    profile["tumbler"] = json!(["right", "neutral"]);
    let right = sound(json!({"thread": {"callout": "1-8"}, "lathe": profile}));
    assert!(!watches(&right, "danger", "wrong_hand"));
    let left = sound(json!({"thread": {"callout": "1-8 LH"}, "lathe": profile}));
    let hung = &left.point().gears.hung.as_ref().unwrap().train;
    // Right-hand is turned with an even count of meshes, so a left-hand one with an odd one.
    assert_eq!((hung.fits, (hung.drivers.len() + hung.idlers.len()) % 2), (Some(true), 1), "{hung:?}");
    assert!(watches(&left, "note", "wrong_hand") && !watches(&left, "danger", "wrong_hand"), "{:?}", left.watch);
}

#[test]
fn what_was_tried_on_an_unmeasured_arm_is_remembered() {
    let job = |seen: Value, hang: Value| {
        json!({"thread": {"callout": "M20x2.5-6g"}, "gears": {"hang": hang},
            "lathe": {"leadscrew": {"tpi": 4}, "gears": [40, 60, 65, 80, 100, 127], "fixed_ratio": "1/1", "seen": seen}})
    };
    // 40/80 · 100/127 of 6.35 is exact; by tooth counts alone nobody can say that it hangs.
    let train = json!({"drivers": [40, 100], "driven": [80, 127]});
    let row = |seen: Value| serde_json::to_value(&sound(job(seen, train.clone())).point().gears.hung.clone().unwrap().train).unwrap();
    let with = |hangs: bool| json!([{"drivers": [40, 100], "driven": [80, 127], "hangs": hangs}]);
    assert_eq!((&row(json!([]))["fits"], &row(json!([]))["fit_basis"]), (&Value::Null, &json!("bench_rule")));
    assert_eq!((&row(with(true))["fits"], &row(with(true))["fit_basis"]), (&json!(true), &json!("seen")));
    assert_eq!((&row(with(false))["fits"], &row(with(false))["why_not"]), (&json!(false), &json!("tried on this arm, they did not mesh")));
    // Another order of the same gears is another train.
    let other = json!([{"drivers": [100, 40], "driven": [80, 127], "hangs": false}]);
    assert_eq!(row(other)["fits"], Value::Null);
    // Left to itself the plan hangs the order that was seen, and not the one that did not mesh.
    let seen = |hangs: bool| json!([{"drivers": [100, 40], "driven": [127, 80], "hangs": hangs}]);
    let first = |seen: Value| sound(job(seen, Value::Null)).point().gears.hung.clone().unwrap().train;
    assert_eq!((first(seen(true)).drivers, first(seen(true)).fit_basis), (vec![100, 40], Some("seen")));
    assert_ne!(first(seen(false)).drivers, [100, 40]);
    let line = |seen: Value| {
        let plan = serde_json::to_value(sound(job(seen, Value::Null))).unwrap();
        plan["check"]["lines"].as_array().unwrap().iter().find(|l| l["code"] == "gears_hang").unwrap()["state"].clone()
    };
    assert_eq!((line(json!([])), line(seen(true))), (json!("unknown"), json!("good")));
    for (wrong, at) in
        [(json!([{"drivers": [40], "driven": []}]), "/lathe/seen/0/driven"), (json!([{"drivers": [1], "driven": [40]}]), "/lathe/seen/0/drivers")]
    {
        let (request, faults) = read_json::<PlanRequest>(job(wrong, Value::Null));
        assert!(settle(&request, None, faults).unwrap_err().iter().any(|f| f.pointer.starts_with(at)), "{at}");
    }
}

#[test]
fn the_train_that_was_on_and_the_one_that_is_are_remembered_once_each() {
    let on = |drivers: &[i64], driven: &[i64]| json!({"mounted": {"drivers": drivers, "driven": driven}});
    let hung = |lathe: &Value| lathe["seen"].as_array().map_or(0, |l| l.iter().filter(|s| s["hangs"] == true).count());
    let (before, mut after) = (on(&[40], &[80]), on(&[60], &[65]));
    remember_trains(&before, &mut after);
    assert_eq!(hung(&after), 2);
    // Told again, nothing more; said not to mesh, that stands until it is put on after all.
    let again = after.clone();
    remember_trains(&again, &mut after);
    assert_eq!(after, again);
    after["seen"][0]["hangs"] = json!(false);
    let mut kept = after.clone();
    remember_trains(&after, &mut kept);
    assert_eq!(hung(&kept), 1);
    let mut back = kept.clone();
    back["mounted"] = on(&[40], &[80])["mounted"].clone();
    remember_trains(&kept, &mut back);
    assert_eq!((hung(&back), back["seen"].as_array().unwrap().len()), (2, 2));
    // Nothing on it is nothing seen.
    let mut bare = json!({"name": "Bare"});
    remember_trains(&json!({}), &mut bare);
    assert_eq!(bare, json!({"name": "Bare"}));
}

#[test]
fn arms_of_several_kinds_and_bushes_bound_what_hangs() {
    let of = |lathe: &Lathe, drivers: &[u16], driven: &[u16]| {
        let gears = |list: &[u16]| list.iter().map(|t| Gear::loose(*t, 0)).collect::<Vec<_>>();
        hangs(lathe, &Train { drivers: gears(drivers), driven: gears(driven), gearbox: 0 }, &[], None)
    };
    let why = |fit: &Fit| fit.why_not.as_ref().unwrap().said(Voice::default());
    let two = |more: Value| {
        let mut told = json!({"leadscrew": {"tpi": 4}, "max_compounds": 2, "gear_groups": [{"module_mm": 2.0, "gears": "20-80/5, 127"}],
            "arm": {"stud_to_leadscrew_mm": 120, "slot_reach_mm": [50, 150], "shaft_radius_mm": 10, "studs": 2}});
        told.as_object_mut().unwrap().extend(more.as_object().unwrap().clone());
        lathe(told)
    };
    // Module 2: 40/60 · 30/50 hangs on 120 (worked above); an idler arm takes no compound, whatever its size.
    let idlers =
        |only: bool| two(json!({"arm": {"stud_to_leadscrew_mm": 120, "slot_reach_mm": [50, 150], "shaft_radius_mm": 10, "studs": 2, "idlers_only": only}}));
    assert!(of(&idlers(false), &[40, 30], &[60, 50]).hangs);
    assert_eq!(why(&of(&idlers(true), &[40, 30], &[60, 50])), "its studs take idlers only, one gear each");
    assert!(of(&idlers(true), &[40], &[80]).hangs);
    // 20/80 · 75/80 stands 155 from the screw, past the first slot's 150: one of one's own make reaches 200.
    let own = two(json!({"more_arms": [{"name": "the long arm", "stud_to_leadscrew_mm": 120, "slot_reach_mm": [50, 200], "shaft_radius_mm": 10}]}));
    let past = of(&own, &[20, 75], &[80, 80]);
    assert_eq!((past.hangs, past.arm, past.on_arm(&own).unwrap().reach_mm), (true, 1, [50.0, 200.0]));
    assert_eq!(of(&own, &[40], &[80]).arm, 0);
    // One of which nothing was measured stands between, and lends its name to no other.
    let bare =
        two(json!({"more_arms": [{"name": "bare"}, {"name": "the long arm", "stud_to_leadscrew_mm": 120, "slot_reach_mm": [50, 200], "shaft_radius_mm": 10}]}));
    assert_eq!(of(&bare, &[20, 75], &[80, 80]).on_arm(&bare).unwrap().name.as_deref(), Some("the long arm"));
    // Two gears of a compound stand on one bush.
    assert!(of(&two(json!({"bushes": 1})), &[40, 30], &[60, 50]).hangs);
    assert_eq!(why(&of(&two(json!({"bushes": 0})), &[40, 30], &[60, 50])), "there is no bush to key two gears together");
    let piece = lathe(json!({"leadscrew": {"tpi": 4}, "bushes": 0, "gear_groups": [{"module_mm": 2.0, "gears": "20-80/5, 127", "joined": [[60, 30]]}],
        "arm": {"stud_to_leadscrew_mm": 120, "slot_reach_mm": [50, 150], "shaft_radius_mm": 10, "studs": 2}}));
    let joined = |teeth: u16| piece.gears.iter().find(|g| g.teeth == teeth && g.piece != 0).copied().unwrap();
    let train = Train { drivers: vec![Gear::loose(40, 0), joined(30)], driven: vec![joined(60), Gear::loose(50, 0)], gearbox: 0 };
    assert!(hangs(&piece, &train, &[], None).hangs);
    let wrong = json!({"thread": {"callout": "M20"}, "lathe": {"leadscrew": {"tpi": 4}, "more_arms": [{"stud_to_leadscrew_mm": 120}], "bushes": 900}});
    let (request, faults) = read_json::<PlanRequest>(wrong);
    let at: Vec<String> = settle(&request, None, faults).unwrap_err().into_iter().map(|f| f.pointer).collect();
    assert_eq!(at, ["/lathe/more_arms", "/lathe/bushes"]);
}

#[test]
fn a_blank_card_says_what_was_told_of_the_gears_owned() {
    let of = |more: Value| {
        let mut told = json!({"leadscrew": {"tpi": 4}, "gear_groups": [{"dp": 14, "pressure_angle_deg": 14.5, "gears": [40, 60, 80]}]});
        told.as_object_mut().unwrap().extend(more.as_object().unwrap().clone());
        card(&lathe(told), 127, Voice::default())
    };
    let (plain, told) = (of(json!({})), of(json!({"gear_blank": {"bore_mm": 16, "key_mm": 4, "face_mm": 10, "depth_mm": 4.1}})));
    // 129/14 in over the tips; 2.157/14 in deep at 14½°.
    assert!((plain.outside_mm.value - 129.0 / 14.0 * 25.4).abs() < 1e-9 && (plain.depth_mm.value - 2.157 / 14.0 * 25.4).abs() < 1e-9);
    assert!(plain.says.contains("pressure angle 14.5°") && plain.says.contains("bore and key as the gears owned"), "{}", plain.says);
    assert!(told.says.contains("bore 16") && told.says.contains("key 4") && (told.depth_mm.value - 4.1).abs() < 1e-9, "{}", told.says);
    assert_eq!((plain.bore_mm.is_none(), told.bore_mm.map(|q| q.value), told.face_mm.map(|q| q.value)), (true, Some(16.0), Some(10.0)));
    // At 20° the usual depth: 2.25 modules.
    let usual =
        card(&lathe(json!({"leadscrew": {"tpi": 4}, "gear_groups": [{"module_mm": 1.5, "pressure_angle_deg": 20, "gears": [40, 60]}]})), 50, Voice::default());
    assert!((usual.depth_mm.value - 3.375).abs() < 1e-9);
}
