//! Routes: made in an order no lesson speaks against, shuffled and mended, and their cards and times by hand.

use serde_json::{Value, json};
use std::collections::BTreeMap;
use yoke_core::faults::read_json;
use yoke_core::job::{Job, Lathe};
use yoke_core::plan::{Plan, plan};
use yoke_core::route::{Member, OpKind, Operation, Route, propose, remarks, said};
use yoke_core::voice::Voice;
use yoke_trials::{Chance, demo_lathe, settled};

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
    let shown = said(&route, &members, &ticks, Voice::default());
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
    let gears = 1.5 * plan.gears.hung.as_ref().unwrap().train.swaps as f64;
    assert!((thread.takes_min - plan.cut.time.whole.value / 60.0 - 5.0 - gears).abs() < 1e-9);
    assert!(op(OpKind::Relief).card.iter().any(|l| l.says == "Wide, at least"));
    // A bore is not filed: its crests are taken by the bar or a scraper.
    let cap = [made("cap", false, json!({"thread": {"callout": "M36x1.5-6H", "length_mm": 18}, "blank": {"shoulder": true}, "lathe": demo_lathe(1)}))];
    let how = |made: &[Made]| yoke_core::route::bench(&self::members(made)[0], OpKind::Dress, Voice::default())[0].text.clone().unwrap();
    assert!(how(&one).contains("file") && how(&cap).contains("scraper") && !how(&cap).contains("file"));
    // What must hold before it leaves the chuck: nothing is ticked, so not everything is done.
    assert_eq!(shown.setups[0].leave[0].holds, Some(false));
    assert!(shown.setups[0].leave.iter().any(|m| m.says.contains("is proven: pitch diameter")));
    for (_, o) in route.ops() {
        ticks.insert(o.id.clone(), "2026-11-26T08:00:00Z".into());
    }
    let done = said(&route, &members, &ticks, Voice::default());
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
