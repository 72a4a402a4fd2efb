//! Routes: made in an order no lesson speaks against, shuffled and mended, and their cards and times by hand.

use serde_json::{Value, json};
use std::collections::BTreeMap;
use yoke_core::faults::read_json;
use yoke_core::job::{Job, Lathe};
use yoke_core::plan::{Plan, plan};
use yoke_core::route::{Member, OpKind, OpTook, Operation, Route, Ticked, by_the_clock, pace, propose, remarks, said};
use yoke_core::voice::Voice;
use yoke_trials::{Chance, SinglePoint, demo_lathe, settled};

struct Made {
    id: &'static str,
    plan: Plan,
    facts: Job,
    lathe: Lathe,
    apart: bool,
}

fn made(id: &'static str, apart: bool, request: Value) -> Made {
    let (facts, lathe, kit) = settled(request).unwrap();
    Made { id, plan: plan(&facts, &lathe, &kit), facts, lathe, apart }
}

fn members(made: &[Made]) -> Vec<Member<'_>> {
    let mate = |m: &Made| made.iter().find(|o| o.id != m.id && o.plan.pair.is_some()).map(|o| o.id);
    let of = made.iter().map(|m| (m, mate(m)));
    of.map(|(m, mate)| Member { job: m.id, title: m.id, plan: &m.plan, facts: &m.facts, lathe: &m.lathe, apart: m.apart, mate, proven: false }).collect()
}

fn paddle_pair() -> Vec<Made> {
    let of = |side: &str, length: Value| json!({"thread": {"callout": "1-1/4-5 Acme LH", "side": side, "length_mm": length}, "mate": {}, "lathe": demo_lathe(0), "blank": {"support": if side == "external" { "centre" } else { "none" }}});
    vec![made("screw", false, of("external", json!(420))), made("nut", true, of("internal", json!(40)))]
}

fn kinds(route: &Route) -> Vec<(String, OpKind)> {
    route.ops().map(|(_, op)| (op.job.clone().unwrap_or_default(), op.kind)).collect()
}

#[test]
fn the_paddle_pairs_route_makes_first_what_the_other_is_fitted_to() {
    let pair = paddle_pair();
    let members = members(&pair);
    let route = propose(&members, Voice::default());
    // The screw was left to the app's choice of school: whichever is first is proven before the other is threaded.
    let first = if pair[0].plan.pair.as_ref().unwrap().first == Some(true) { "screw" } else { "nut" };
    let second = if first == "screw" { "nut" } else { "screw" };
    let list = kinds(&route);
    let at = |job: &str, kind: OpKind| list.iter().position(|(j, k)| j == job && *k == kind).unwrap();
    assert!(at(first, OpKind::Prove) < at(second, OpKind::Thread));
    for job in [first, second] {
        assert!(at(job, OpKind::Thread) < at(job, OpKind::Dress) && at(job, OpKind::Dress) < at(job, OpKind::Prove));
    }
    assert!(at("nut", OpKind::Drill) < at("nut", OpKind::Bore) && at("nut", OpKind::Bore) < at("nut", OpKind::Thread));
    assert!(list.iter().any(|(j, k)| j == "screw" && *k == OpKind::Centre), "its centre is drilled, since one supports it");
    assert_eq!(remarks(&route, &members, Voice::default()), []);
    // Begun with the other piece, it is told what that costs.
    let mut about = route.clone();
    about.setups.sort_by_key(|s| s.piece.as_deref() != Some(second));
    let told = remarks(&about, &members, Voice::default());
    assert!(told.iter().any(|r| r.says.contains("fitted to this one as made")), "{told:?}");
    // Proven out of the chuck it was cut in: measure before you open it.
    let mut late = route.clone();
    let from = late.setups.iter().position(|s| s.ops.iter().any(|o| o.kind == OpKind::Thread && o.job.as_deref() == Some(first))).unwrap();
    let n = late.setups[from].ops.iter().position(|o| o.kind == OpKind::Prove).unwrap();
    let proof = late.setups[from].ops.remove(n);
    late.setups[from + 1].ops.push(proof);
    assert!(
        remarks(&late, &members, Voice::default()).iter().any(|r| r.says.contains("measure before you open it")),
        "{:?}",
        remarks(&late, &members, Voice::default())
    );
}

/// Jobs of every demo thread, ends, holdings and materials, each a route of its own.
fn grid() -> Vec<Vec<Made>> {
    let mut all = vec![paddle_pair()];
    let jobs = [
        ("M20x2.5-6g", json!({"shoulder": true})),
        ("M20x2.5-6g", json!({"shoulder": true, "holding": "centres", "support": "centre", "runs_true": true})),
        ("M36x1.5-6H", json!({"shoulder": true, "end": "drilled_pocket"})),
        ("G1-1/4", json!({"plain": [{"name": "head", "nominal_mm": 50.0}]})),
        ("Tr28x5-7e", json!({"support": "steady"})),
        ("M16x2-6g LH", json!({"end": "withdraw", "shoulder": true, "register": {"mate_plain_mm": 12.0}})),
    ];
    for (lathe, (callout, blank)) in jobs.into_iter().enumerate() {
        all.push(vec![made("one", false, json!({"thread": {"callout": callout, "length_mm": 40}, "blank": blank, "lathe": demo_lathe(lathe % 3)}))]);
    }
    let stud = |true_to: bool, callout: &str| json!({"thread": {"callout": callout, "length_mm": 30}, "blank": {"runs_true": true_to}, "lathe": demo_lathe(1)});
    all.push(vec![made("a", false, stud(false, "7/8-9 UNC-2A")), made("b", false, stud(false, "7/8-14 UNF-2A"))]);
    all.push(vec![made("a", false, stud(false, "7/8-9 UNC-2A")), made("b", false, stud(true, "7/8-14 UNF-2A"))]);
    all
}

#[test]
fn no_lesson_speaks_against_a_route_the_app_makes_and_a_shuffled_one_is_mended() {
    let mut chance = Chance(31);
    for made in grid() {
        let members = members(&made);
        let route = propose(&members, Voice::default());
        assert_eq!(remarks(&route, &members, Voice::default()), [], "{:?}", kinds(&route));
        assert!(route.check(&members.iter().map(|m| m.job).collect::<Vec<_>>(), Voice::default()).is_empty());
        for _ in 0..60 {
            // Each set-up's operations in any order: every remark's move is made until none is left.
            let mut mixed = route.clone();
            for setup in &mut mixed.setups {
                for i in (1..setup.ops.len()).rev() {
                    #[allow(clippy::cast_possible_truncation, clippy::cast_sign_loss, clippy::cast_precision_loss)]
                    let j = (chance.even() * (i as f64 + 1.0)) as usize;
                    setup.ops.swap(i, j);
                }
            }
            let before = kinds(&mixed).len();
            let mut moves = 0;
            while let Some(r) = remarks(&mixed, &members, Voice::default()).first().cloned() {
                let op = take(&mut mixed, &r.op);
                let (s, n) = place(&mixed, &r.before);
                mixed.setups[s].ops.insert(n, op);
                moves += 1;
                assert!(moves < 200, "the moves end: {r:?} in {:?}", kinds(&mixed));
            }
            assert_eq!(kinds(&mixed).len(), before, "nothing is lost on the way");
            // Told another way than the table: what the thread stands on is before it, what it is judged by after.
            for (setup, job) in mixed.setups.iter().flat_map(|s| members.iter().map(move |m| (s, m.job))) {
                let at = |k: OpKind| setup.ops.iter().position(|o| o.kind == k && o.job.as_deref() == Some(job));
                if let (Some(thread), Some(proof)) = (at(OpKind::Thread), at(OpKind::Prove)) {
                    assert!(thread < proof && at(OpKind::PartOff).is_none_or(|p| proof < p));
                    for before in [OpKind::Turn, OpKind::Bore, OpKind::Relief, OpKind::Chamfer, OpKind::Plain, OpKind::Face] {
                        assert!(at(before).is_none_or(|b| b < thread), "{before:?}");
                    }
                }
            }
        }
    }
}

fn place(route: &Route, id: &str) -> (usize, usize) {
    let at = |s: &yoke_core::route::SetUp| s.ops.iter().position(|o| o.id == id);
    route.setups.iter().enumerate().find_map(|(s, setup)| Some((s, at(setup)?))).unwrap()
}

fn take(route: &mut Route, id: &str) -> Operation {
    let (s, n) = place(route, id);
    route.setups[s].ops.remove(n)
}

#[test]
fn what_must_run_true_is_turned_and_threaded_in_one_chucking() {
    let made = [made("one", false, json!({"thread": {"callout": "M20x2.5-6g", "length_mm": 30}, "blank": {"runs_true": true}, "lathe": demo_lathe(0)}))];
    let members = members(&made);
    let mut route = propose(&members, Voice::default());
    let id = route.ops().find(|(_, o)| o.kind == OpKind::Turn).unwrap().1.id.clone();
    let turn = take(&mut route, &id);
    route
        .setups
        .insert(0, yoke_core::route::SetUp { id: "before".into(), piece: Some("one".into()), held: "in the chuck".into(), ops: vec![turn], leave: vec![] });
    assert!(remarks(&route, &members, Voice::default()).iter().any(|r| r.says.contains("turn it and thread it in one")));
}

#[test]
fn cards_bear_the_plans_numbers_and_times_follow_from_speed_and_feed() {
    let one = [made("one", false, json!({"thread": {"callout": "M20x2.5-6g", "length_mm": 60}, "blank": {"shoulder": true}, "lathe": demo_lathe(0)}))];
    let members = members(&one);
    let route = propose(&members, Voice::default());
    let mut ticks = BTreeMap::new();
    let shown = said(&route, &members, &ticks, &[], Voice::default());
    let op = |kind: OpKind| shown.setups.iter().flat_map(|s| &s.ops).find(|o| o.op.kind == kind).unwrap();
    let plan = &one[0].plan;
    let turn = op(OpKind::Turn);
    assert_eq!(turn.card[0].figure.as_ref().unwrap().text, plan.blank.aim_mm.text);
    assert!(turn.card.iter().all(|l| l.figure.as_ref().is_none_or(|f| f.w.is_none())), "a card stands alone");
    // By hand: mild steel 12 m/min threading, 30 turning; 30 000/(π 19.9) = 480 rpm, the lathe's 365 is the one under; three cuts of
    // 63 mm at 0.15 take 3.45 min; 2 to set, 2 to handle.
    assert!(turn.card.iter().any(|l| l.text.as_deref() == Some("365 rpm")), "{:?}", turn.card);
    assert!((turn.takes_min - (2.0 + 2.0 + 3.0 * 63.0 / (0.15 * 365.0))).abs() < 1e-9, "{}", turn.takes_min);
    let thread = op(OpKind::Thread);
    // The cut's own time is in seconds; five minutes set it up, and a minute and a half hangs each gear.
    #[allow(clippy::cast_precision_loss)]
    let gears = 1.5 * plan.point().gears.hung.as_ref().unwrap().train.swaps as f64;
    assert!((thread.takes_min - plan.point().cut.time.whole.value / 60.0 - 5.0 - gears).abs() < 1e-9);
    assert!(op(OpKind::Relief).card.iter().any(|l| l.says == "Wide, at least"));
    // A bore is not filed: its crests are taken by the bar or a scraper.
    let cap = [made("cap", false, json!({"thread": {"callout": "M36x1.5-6H", "length_mm": 18}, "blank": {"shoulder": true}, "lathe": demo_lathe(1)}))];
    let how = |made: &[Made]| yoke_core::route::bench(&self::members(made)[0], &self::members(made), OpKind::Dress, Voice::default())[0].text.clone().unwrap();
    assert!(how(&one).contains("file") && how(&cap).contains("scraper") && !how(&cap).contains("file"));
    // What must hold before it leaves the chuck: nothing is ticked, so not everything is done.
    assert_eq!(shown.setups[0].leave[0].holds, Some(false));
    assert!(shown.setups[0].leave.iter().any(|m| m.says.contains("is proven: pitch diameter")));
    for (_, o) in route.ops() {
        ticks.insert(o.id.clone(), Ticked { when: "2026-11-26T08:00:00Z".into(), took_min: None });
    }
    let done = said(&route, &members, &ticks, &[], Voice::default());
    assert_eq!((done.setups[0].leave[0].holds, done.left.as_str()), (Some(true), "0 min"));
}

#[test]
fn an_operation_keeps_its_name_when_the_facts_bring_another_in_before_it() {
    let of = |blank: Value| [made("one", false, json!({"thread": {"callout": "M20x2.5-6g", "length_mm": 60}, "blank": blank, "lathe": demo_lathe(0)}))];
    let ids = |made: &[Made]| propose(&members(made), Voice::default()).ops().map(|(_, o)| (o.id.clone(), o.kind)).collect::<BTreeMap<_, _>>();
    let (bare, more) = (ids(&of(json!({}))), ids(&of(json!({"support": "centre", "shoulder": true, "plain": [{"name": "head", "nominal_mm": 30.0}]}))));
    assert_eq!((bare.len() + 3, more.len()), (more.len(), bare.len() + 3), "a centre, a relief and a plain size came in");
    assert!(bare.iter().all(|(id, kind)| more.get(id) == Some(kind)), "{bare:?} {more:?}");
}

#[test]
fn a_route_as_sent_is_looked_through_and_every_fault_named() {
    let (route, faults) = read_json::<Route>(json!({"setups": [
        {"id": "a", "held": "in the chuck", "piece": "other", "leave": [" "], "ops": [
            {"id": "1", "kind": "own"}, {"id": "1", "kind": "thread", "job": "nobody"}, {"id": "", "kind": "face", "minutes": -1.0, "note": "x".repeat(300)}]}]}));
    assert!(faults.is_empty());
    let mut told: Vec<String> = route.check(&["one"], Voice::default()).into_iter().map(|f| f.pointer).collect();
    told.sort();
    let at = |rest: &str| format!("/setups/0/{rest}");
    assert_eq!(told, ["leave/0", "ops/0/says", "ops/1/id", "ops/1/job", "ops/2/id", "ops/2/minutes", "ops/2/note", "piece"].map(at));
}

/// The card of one operation of a part.
fn card(made: &[Made], kind: OpKind) -> Vec<yoke_core::route::CardLine> {
    let members = members(made);
    yoke_core::route::bench(&members[0], &members, kind, Voice::default())
}

fn figure(card: &[yoke_core::route::CardLine], says: &str) -> f64 {
    card.iter().find(|l| l.says.contains(says)).and_then(|l| l.figure.as_ref()).unwrap_or_else(|| panic!("no {says} in {card:?}")).value
}

fn text<'a>(card: &'a [yoke_core::route::CardLine], says: &str) -> &'a str {
    card.iter().find(|l| l.says.starts_with(says)).and_then(|l| l.text.as_deref()).unwrap_or_else(|| panic!("no {says} in {card:?}"))
}

#[test]
fn stock_is_as_thick_as_the_thickest_place_and_as_long_as_all_of_it() {
    let plain = json!([{"name": "head", "kind": "outside", "nominal_mm": 34, "over_mm": 0, "under_mm": -0.2}, {"name": "head length", "kind": "length", "nominal_mm": 12, "over_mm": 0, "under_mm": -0.2}]);
    let rod = |blank: Value, kit: Value| {
        [made("rod", false, json!({"thread": {"callout": "M20x2.5-6g", "length_mm": 60}, "lathe": demo_lathe(0), "blank": blank, "kit": kit}))]
    };
    let blade = json!({"blades": [{"name": "b", "use_for": "parting", "kind": "external", "width_mm": 2.5, "depth_mm": 12}, {"name": "c", "use_for": "parting", "kind": "external", "width_mm": 2, "depth_mm": 6}]});
    let headed = card(&rod(json!({"shoulder": true, "shoulder_mm": 32, "plain": plain, "grip_mm": 25}), blade), OpKind::Saw);
    // The head, 34, and one to true; thread 60, head 12, facing 2, the blade that goes to the middle 2.5, grip 25.
    assert!((figure(&headed, "Stock") - 35.0).abs() < 1e-9 && (figure(&headed, "Length to saw") - 101.5).abs() < 1e-9, "{headed:?}");
    assert!(text(&headed, "For").starts_with("head, 34") && text(&headed, "Made up of").contains("12 mm head length"), "{headed:?}");
    // The whole length told stands for its parts: 80 holds the thread and the head.
    let whole = json!([{"name": "over all", "kind": "length", "nominal_mm": 80, "over_mm": 0, "under_mm": 0}]);
    let all = card(&rod(json!({"plain": whole, "grip_mm": 25}), json!({})), OpKind::Saw);
    assert!((figure(&all, "Length to saw") - (80.0 + 2.0 + 3.0 + 25.0)).abs() < 1e-9, "{all:?}");
    // A shoulder of no size told is said to be wanted over this; the blank's own upper limit and one to true.
    let open = card(&rod(json!({"shoulder": true}), json!({})), OpKind::Saw);
    assert!(open[0].says.starts_with("Stock, over this"), "{open:?}");
    // Between centres nothing is gripped and nothing parted off; two threads of one part are both of it.
    let end = |id, length: f64| {
        made(id, false, json!({"thread": {"callout": "M16x2-6g", "length_mm": length}, "lathe": demo_lathe(0), "blank": {"holding": "centres"}}))
    };
    let two = card(&[end("a", 30.0), end("b", 45.0)], OpKind::Saw);
    assert!((figure(&two, "Length to saw") - 77.0).abs() < 1e-9, "{two:?}");
    // A nut is not of its screw's bar.
    assert!(figure(&card(&paddle_pair(), OpKind::Saw), "Length to saw") > 420.0 && figure(&card(&paddle_pair(), OpKind::Saw), "Length to saw") < 460.0);
}

#[test]
fn roughing_is_cuts_of_equal_depth_within_what_motor_and_bar_stand() {
    let rod = |more: Value, lathe: &dyn Fn(&mut Value)| {
        let mut own = demo_lathe(0);
        lathe(&mut own);
        let mut blank = json!({"shoulder": true, "shoulder_mm": 32});
        blank.as_object_mut().unwrap().extend(more.as_object().unwrap().clone());
        [made("rod", false, json!({"thread": {"callout": "M20x2.5-6g", "length_mm": 60}, "lathe": own, "blank": blank}))]
    };
    let one = rod(json!({"support": "centre"}), &|_| {});
    let aim = one[0].plan.blank.aim_mm.value;
    let turn = card(&one, OpKind::Turn);
    // From 33 to 0.4 over the aim, 2 a cut on the radius with a screw 31.75 thick: as many cuts, all of one depth.
    let depth = (33.0 - 0.4 - aim) / 2.0;
    let cuts = (depth / 2.0).ceil();
    assert!(text(&turn, "Roughing").starts_with(&format!("{cuts} cuts")) && text(&turn, "Roughing").contains("usual on a lathe of this size"), "{turn:?}");
    // Each row’s diameter is what its dial gives: half divisions of a thousandth, on the shallow side.
    let half = 0.0127;
    for n in 1..=4 {
        let deep = ((f64::from(n) * depth / cuts) / half + 1e-7).floor() * half;
        assert!(text(&turn, &format!("Cut {n}")).starts_with(&format!("to {:.3} mm", 33.0 - 2.0 * deep)), "{turn:?}");
    }
    // By the motor: 0.7 W·60/(k·f·v), k = 1700·0.15^-0.25, v = π·33·n at the speed of the card.
    let weak = rod(json!({"support": "centre"}), &|l| l["spindle"]["motor_w"] = json!(150));
    let rpm = |says: &str| text(&card(&weak, OpKind::Turn), says).trim_end_matches(" rpm").parse::<f64>().unwrap();
    // 30 m/min on 33 is 289 rpm to rough at, on 19.8 482 to finish at: the lathe's next under each.
    let at = rpm("Speed to rough");
    assert!(at <= 289.4 && rpm("Speed") <= 482.5 && at < rpm("Speed"), "{at}");
    let most = 0.7 * 150.0 * 60.0 / (1700.0 * 0.15_f64.powf(-0.25) * 0.15 * std::f64::consts::PI * 33.0 * at / 1000.0);
    let says = card(&weak, OpKind::Turn);
    assert!(
        text(&says, "Roughing").starts_with(&format!("{} cuts", (depth / most).ceil())) && text(&says, "Roughing").contains("motor drives"),
        "{most}: {says:?}"
    );
    // Standing far out with nothing at its end it bends first: half of k·a·f on L³/3EI gives a tenth of a millimetre.
    let out = rod(json!({"stick_out_mm": 250}), &|_| {});
    let pressure = 1700.0 * 0.15_f64.powf(-0.25) * 0.15;
    let inertia = std::f64::consts::PI * aim.powi(4) / 64.0;
    let stands = 2.0 * 0.1 * 3.0 * 205_000.0 * inertia / 250.0_f64.powi(3) / pressure;
    let says = card(&out, OpKind::Turn);
    assert!(
        text(&says, "Roughing").starts_with(&format!("{} cuts", (depth / stands).ceil())) && text(&says, "Roughing").contains("without bending"),
        "{stands}: {says:?}"
    );
    // Measured already, nothing is roughed.
    assert!(card(&rod(json!({"diameter_mm": 19.85}), &|_| {}), OpKind::Turn).iter().all(|l| l.says != "Roughing"));
}

#[test]
fn a_hole_is_drilled_in_steps_from_the_drills_there_are() {
    let nut = |drills: Value, reaches: Value| {
        [made(
            "nut",
            false,
            json!({"thread": {"callout": "M36x3-6H", "length_mm": 40}, "lathe": demo_lathe(0), "kit": {"drills_mm": drills, "drill_reaches": reaches}}),
        )]
    };
    let steps =
        |made: &[Made]| card(made, OpKind::Drill).iter().filter(|l| l.says.starts_with("Drill")).map(|l| l.figure.as_ref().unwrap().value).collect::<Vec<_>>();
    let all = json!([3, 4, 5, 8, 12, 16, 18, 20, 25, 30, 32]);
    // The bore is 33: 32, cutting a third of a millimetre over at worst, leaves a real cut; of it 19.2 is six tenths, 20 the nearest; its web is 4.
    assert_eq!(steps(&nut(all.clone(), json!([]))), [4.0, 20.0, 32.0]);
    // A 20 and a 32 that do not reach are passed over for the next that do; 18 is six tenths of 30, and 4 nearer to its web of 3.6 than 3.
    assert_eq!(steps(&nut(all, json!([{"drill_mm": 20, "reach_mm": 30}, {"drill_mm": 32, "reach_mm": 39}]))), [4.0, 18.0, 30.0]);
    // Nothing between: only the last is named.
    assert_eq!(steps(&nut(json!([30, 32]), json!([]))), [32.0]);
}

#[test]
fn what_is_held_on_an_arbor_is_bored_first_and_never_sawn_or_parted_on_it() {
    let ring = [made("ring", false, json!({"thread": {"callout": "M30x1.5-6g", "length_mm": 15}, "lathe": demo_lathe(0), "blank": {"holding": "arbor"}}))];
    let members = members(&ring);
    let route = propose(&members, Voice::default());
    assert_eq!(route.setups.len(), 2);
    let of = |at: usize| route.setups[at].ops.iter().map(|o| o.kind).collect::<Vec<_>>();
    assert_eq!(of(0), [OpKind::Saw, OpKind::Face, OpKind::Own, OpKind::PartOff]);
    assert!(!of(1).contains(&OpKind::PartOff) && of(1).contains(&OpKind::Thread));
    assert!(remarks(&route, &members, Voice::default()).is_empty() && route.check(&["ring"], Voice::default()).is_empty());
}

#[test]
fn a_die_finishes_what_the_single_point_left_for_it() {
    let rod =
        |callout: &str| [made("rod", false, json!({"thread": {"callout": callout, "length_mm": 30}, "lathe": demo_lathe(2), "blank": {"die_finish": true}}))];
    // M20×2.5-6g: the pitch diameter ends from 18.164 to 18.334, 18.249 in the middle; a quarter of the depth is over 0.2, so 0.15 is left, 0.2 at most.
    let one = rod("M20x2.5-6g");
    let (run, gauge) = (&one[0].plan.run, &one[0].plan.gauge);
    assert!(
        (run.target_mm - 18.399).abs() < 1e-6 && (run.limits_mm[0] - 18.164).abs() < 1e-6 && (run.limits_mm[1] - 18.449).abs() < 1e-6,
        "{:?}",
        run.limits_mm
    );
    assert!((gauge.max_mm.value - 18.449).abs() < 1e-6);
    // A fine one: of M3×0.5 a quarter of 5/8 H, 0.0677, is the most, and three quarters of that is left.
    let fine = rod("M3");
    let of = |made: &[Made]| {
        let pitch = &made[0].plan.thread.external.pitch_mm;
        made[0].plan.run.target_mm - f64::midpoint(pitch.min.as_ref().unwrap().value, pitch.max.as_ref().unwrap().value)
    };
    assert!((of(&fine) - 0.75 * 0.25 * 0.625 * 0.5 * 0.866_025_4).abs() < 1e-4, "{}", of(&fine));
    // The relief is for what the die leaves, and is as deep as it would be for the thread cut to size.
    let relief = |die: bool| {
        settled(json!({"thread": {"callout": "M20x2.5-6g", "length_mm": 30}, "lathe": demo_lathe(2), "blank": {"die_finish": die, "shoulder": true, "diameter_mm": 19.75}, "bit": {"tip_flat_mm": 0.3}})).map(|(facts, lathe, kit)| plan(&facts, &lathe, &kit).blank.relief.unwrap().diameter_mm.value).unwrap()
    };
    assert!((relief(true) - relief(false)).abs() < 1e-9);
    let members = members(&one);
    let route = propose(&members, Voice::default());
    let ops: Vec<OpKind> = kinds(&route).into_iter().map(|(_, k)| k).collect();
    let at = |kind: OpKind| ops.iter().position(|k| *k == kind).unwrap();
    assert!(at(OpKind::Thread) < at(OpKind::Chase) && at(OpKind::Chase) < at(OpKind::Dress) && at(OpKind::Dress) < at(OpKind::Prove));
    assert!(remarks(&route, &members, Voice::default()).is_empty());
    // Its card is held to the drawing, as the proof after it is; on a chuck that screws on the work is held, not the spindle.
    for kind in [OpKind::Chase, OpKind::Prove] {
        assert!((figure(&card(&one, kind), "Not over") - 18.334).abs() < 1e-6 && card(&one, kind).iter().all(|l| l.says != "Over wires, aim"));
    }
    assert!(text(&card(&one, OpKind::Chase), "Held").contains("unscrew") && text(&card(&one, OpKind::Chase), "Die").contains("borrow or buy"));
    // Without a die nothing is left, and none is asked for.
    let plain = [made("rod", false, json!({"thread": {"callout": "M20x2.5-6g", "length_mm": 30}, "lathe": demo_lathe(2)}))];
    assert!(!kinds(&propose(&self::members(&plain), Voice::default())).iter().any(|(_, k)| *k == OpKind::Chase) && of(&plain).abs() < 1e-6);
}

#[test]
fn what_work_took_before_is_what_it_is_reckoned_to_take_again() {
    let told = |lathe: &str, times: f64| OpTook { kind: OpKind::Turn, lathe: lathe.into(), reckoned_min: 10.0, took_min: 10.0 * times };
    assert_eq!(pace(&[told("Bench", 2.0)], "Long bed", OpKind::Turn), None, "another lathe says nothing of this one");
    assert_eq!(pace(&[told("Long bed", 2.0)], "Long bed", OpKind::Bore), None);
    // One told is believed by its weight: ln 2 shrunk by 0.49/(0.49 + 0.16), so 1.69; many are believed altogether.
    let one = pace(&[told("Long bed", 2.0)], "Long bed", OpKind::Turn).unwrap();
    assert!((one.times - 2.0_f64.powf(0.49 / 0.65)).abs() < 1e-9 && one.from == 1);
    let many = pace(&vec![told("Long bed", 2.0); 50], "Long bed", OpKind::Turn).unwrap();
    assert!((many.times - 2.0).abs() < 0.02);
    // As much over as under is as reckoned; a time that cannot be is no time.
    assert!((pace(&[told("Long bed", 2.0), told("Long bed", 0.5)], "Long bed", OpKind::Turn).unwrap().times - 1.0).abs() < 1e-9);
    assert_eq!(pace(&[OpTook { reckoned_min: 0.0, ..told("Long bed", 1.0) }], "Long bed", OpKind::Turn), None);
    // A dinner in the middle is not spent at the lathe.
    assert!((by_the_clock(&[0.0, 3.0, 7.5, 52.0, 55.0]) - 10.5).abs() < 1e-9);
    // And the route says so, whole and left.
    let one = [made("one", false, json!({"thread": {"callout": "M20x2.5-6g", "length_mm": 60}, "lathe": demo_lathe(0)}))];
    let members = members(&one);
    let route = propose(&members, Voice::default());
    let name = one[0].lathe.name.clone();
    let plain = said(&route, &members, &BTreeMap::new(), &[], Voice::default());
    let slow = said(&route, &members, &BTreeMap::new(), &vec![told(&name, 3.0); 50], Voice::default());
    let turn = |d: &yoke_core::route::RouteDetail| d.setups.iter().flat_map(|s| &s.ops).find(|o| o.op.kind == OpKind::Turn).unwrap().clone();
    assert!((turn(&slow).takes_min / turn(&plain).takes_min - 3.0).abs() < 0.05);
    assert!(turn(&slow).paced.is_some_and(|p| p.contains("50 such told")) && turn(&plain).paced.is_none());
    let sum = |d: &yoke_core::route::RouteDetail| d.left_min.values().sum::<f64>();
    assert!((sum(&slow) - sum(&plain) - (turn(&slow).takes_min - turn(&plain).takes_min)).abs() < 1e-6);
}
