//! Rehearsing: what a hand is found to be, and what each drill says of what was done, against figures worked apart.

use serde_json::{Value, json};
use yoke_core::job::{Job, Lathe};
use yoke_core::kit::Kit;
use yoke_core::plan::{Plan, plan};
use yoke_core::rehearse::{
    Drill, Hand, HandAct, Kept, MotionView, Pressed, Stop, Tries, TryView, at_lathe, away, begin, judge, motion, on, once_in, played, rehearsal, shown,
    spreads, whole_run,
};
use yoke_core::voice::Voice;
use yoke_standin::{Fault, Meant, Operator, Readout, Scene as Stage, Step};
use yoke_trials::{SinglePoint, demo_lathe, settled};

/// Plan and facts of a job.
fn whole(request: Value) -> (Plan, Job, Lathe, Kit) {
    let (job, lathe, kit) = settled(request).unwrap_or_else(|f| panic!("{f:?}"));
    (plan(&job, &lathe, &kit), job, lathe, kit)
}

/// The tie rod on the Long bed, its half-nut kept closed.
fn tie_rod() -> Value {
    json!({"thread": {"callout": "M20x2.5-6g", "length_mm": 60}, "blank": {"diameter_mm": 19.8, "shoulder": true, "shoulder_mm": 30, "relief_width_mm": 12},
           "bit": {"tip_flat_mm": 0.31, "body_ahead_mm": 3}, "lathe": demo_lathe(0)})
}

/// The same on the Gap bed, by its dial.
fn by_the_dial() -> Value {
    json!({"thread": {"callout": "M16x2-6g", "length_mm": 40}, "bit": {"tip_flat_mm": 0.25}, "lathe": demo_lathe(1)})
}

/// And fed straight in up to a shoulder: it may be cut away from the chuck too, of which the path has no task.
fn radial_by_the_dial() -> Value {
    let mut job = by_the_dial();
    job["cut"] = json!({"style": "radial"});
    job["blank"] = json!({"shoulder": true, "shoulder_mm": 26, "relief_width_mm": 14});
    job
}

/// The paddle screw, cut away from its shoulder.
fn acme() -> Value {
    json!({"thread": {"callout": "1-1/4-5 Acme LH", "length_mm": 120}, "blank": {"diameter_mm": 31.6, "shoulder": true, "relief_width_mm": 14}, "bit": {"tip_flat_mm": 1.7}, "lathe": demo_lathe(0)})
}

/// The gauge-board cap, blind.
fn bore() -> Value {
    json!({"thread": {"callout": "M36x1.5-6H", "side": "internal", "length_mm": 25}, "blank": {"diameter_mm": 34.5, "shoulder": true, "relief_width_mm": 8}, "bit": {"body_ahead_mm": 2, "tip_flat_mm": 0.18}, "lathe": demo_lathe(1)})
}

fn tried(request: Value, drill: Drill, seed: u32, keys: impl Fn(&MotionView) -> Vec<Pressed>) -> (MotionView, TryView, Option<Kept>) {
    let (plan, job, lathe, _) = whole(request);
    let sent = motion(drill, &plan.point(), &job, &lathe, seed);
    let (view, kept) = judge(begin(drill, &plan.point(), &job, &lathe, seed), &keys(&sent), Voice::default());
    (sent, view, kept)
}

/// When the point comes to a place, read off the motion as sent.
fn comes_to(sent: &MotionView, place: f64) -> f64 {
    let runs = sent.stretches.iter().find(|s| s.along_mm.rate != 0.0).unwrap();
    runs.from_s + (place - runs.along_mm.at) / runs.along_mm.rate
}

/// The mark as it is drawn.
fn mark(sent: &MotionView) -> f64 {
    sent.stage.drawing.shapes.iter().find(|s| s.role == "setup.stop").unwrap().line[0][0]
}

fn key(at_s: f64, act: HandAct) -> Vec<Pressed> {
    vec![Pressed { at_s, act }]
}

#[test]
fn spreads_are_the_published_ones() {
    for (tries, wanted) in [(8, 5.08), (12, 4.19), (20, 3.67), (30, 3.45)] {
        assert!((spreads(0.999, tries) - wanted).abs() < 0.005, "{tries}: {}", spreads(0.999, tries));
    }
    // Twenty passes at one in a thousand: about one in fifty.
    assert!((once_in(20) - 50.0).abs() < 1.0);
}

/// A hand drawn as it is told to be, in series of ten and more.
struct Drawn(u64);

impl Drawn {
    fn share(&mut self) -> f64 {
        self.0 = self.0.wrapping_mul(6_364_136_223_846_793_005).wrapping_add(1_442_695_040_888_963_407);
        ((self.0 >> 11) as f64 + 0.5) / (1_u64 << 53) as f64
    }

    fn normal(&mut self) -> f64 {
        (0..12).map(|_| self.share()).sum::<f64>() - 6.0
    }
}

fn stop_of(late_s: f64) -> Stop {
    Stop { past_mm: 2.5 * late_s, lead_mm: 2.5, rps: 1.0, coast_turns: 0.0 }
}

#[test]
fn a_hand_is_found_as_it_is_and_what_it_is_given_is_passed_once_in_a_thousand() {
    let mut drawn = Drawn(7);
    let (mut within, mut over, mut next) = (0, 0, 0);
    for _ in 0..400 {
        let stops: Vec<Stop> = (0..14).map(|_| stop_of(0.31 + 0.04 * drawn.normal())).collect();
        let hand = Hand::of(&stops).unwrap();
        assert_eq!(hand.tries, 12);
        within += usize::from((hand.mean_s - 0.31).abs() <= hand.doubt_s);
        let worst = stops[2..].iter().map(Stop::late_s).fold(0.0, f64::max);
        assert!(hand.reckoned_s >= worst);
        for _ in 0..100 {
            next += 1;
            over += usize::from(0.31 + 0.04 * drawn.normal() > hand.reckoned_s);
        }
    }
    assert!((370..=392).contains(&within), "{within} of 400 within nineteen in twenty");
    assert!(over * 1000 < next * 2, "{over} of {next} passed it");
    // The first two are thrown away, and fewer than eight say nothing.
    let mut slow: Vec<Stop> = vec![stop_of(3.0), stop_of(2.0)];
    slow.extend((0..8).map(|i| stop_of(0.3 + 0.01 * f64::from(i))));
    assert!((Hand::of(&slow).unwrap().mean_s - 0.335).abs() < 1e-12);
    assert!(Hand::of(&slow[..9]).is_none());
}

#[test]
fn a_hand_that_comes_early_moves_the_mark_into_the_relief() {
    // Half of them before the mark: at 2.5 mm a second, so that one in twenty would be.
    let stops: Vec<Stop> = (0..22).map(|i| stop_of(if i % 2 == 0 { -0.1 } else { 0.1 })).collect();
    let hand = Hand::of(&stops).unwrap();
    assert!((hand.short - 0.5).abs() < 1e-12 && hand.mean_s.abs() < 1e-12);
    let spread = 0.1 * (20.0_f64 / 19.0).sqrt();
    // t of nineteen degrees at one in twenty is 1.729.
    let moves = 2.5 * 1.729 * (1.0 + 1.0 / 20.0_f64).sqrt() * spread;
    assert!((hand.mark_moves_mm(2.5, 1.0, 0.0) - moves).abs() < 2e-3, "{}", hand.mark_moves_mm(2.5, 1.0, 0.0));
    // And at one in a thousand 3.579; some lie before the mark, so it is reckoned plainly.
    let room = 2.5 * 3.579 * (1.0 + 1.0 / 20.0_f64).sqrt() * spread + moves;
    assert!((hand.room_mm(2.5, 1.0, 0.0) - room).abs() < 4e-3);
}

#[test]
fn a_stop_is_told_to_the_hundredth_and_what_coasts_is_the_lathes() {
    for late in [-0.2, 0.0, 0.31] {
        let press = |act: HandAct| move |sent: &MotionView| key(comes_to(sent, mark(sent)) + late, act);
        let (sent, view, kept) = tried(tie_rod(), Drill::StopSpindle, 3, press(HandAct::OutAndStop));
        let kept = kept.unwrap();
        // As the square of the speed, from the one it was told at.
        let (_, _, lathe, _) = whole(tie_rod());
        let coast = lathe.coast[0] * (kept.rps * 60.0 / lathe.coast[1]).powi(2);
        assert!((kept.coast_turns - coast).abs() < 1e-9);
        let past = 2.5 * (kept.rps * late + coast);
        assert!((kept.past_mm - past).abs() < 1e-4, "{} for {past}, {late} s", kept.past_mm);
        assert!((view.late_s.unwrap() - late).abs() < 2e-3 && (Stop::from(kept).late_s() - late).abs() < 1e-4);
        assert_eq!(view.good, late >= 0.0 || past > -0.6, "{late}: {:?}", view.faults);
        // The half-nut opened stops at once.
        let (_, view, kept) = tried(tie_rod(), Drill::StopOpen, 3, press(HandAct::Open));
        let kept = kept.unwrap();
        assert!((kept.past_mm - 2.5 * kept.rps * late).abs() < 1e-4 && kept.coast_turns == 0.0, "{view:?}");
        assert!(sent.acts.len() == 1 && sent.says.contains("mark"));
    }
}

#[test]
fn nobody_there_and_it_runs_into_the_shoulder() {
    let (_, view, kept) = tried(tie_rod(), Drill::StopSpindle, 5, |_| Vec::new());
    assert!(kept.is_none() && !view.good);
    assert_eq!(view.faults[0].code, "crash", "{:?}", view.faults);
    assert!(view.says.contains("Nothing was done"), "{}", view.says);
    // Where nothing stands it only runs on.
    let open = json!({"thread": {"callout": "M16x2-6g", "length_mm": 40}, "bit": {"tip_flat_mm": 0.25}, "lathe": demo_lathe(1)});
    let (_, view, _) = tried(open, Drill::StopOpen, 5, |_| Vec::new());
    assert!(view.faults.is_empty(), "{:?}", view.faults);
}

#[test]
fn a_mark_caught_and_a_mark_missed() {
    let (plan, job, lathe, _) = whole(by_the_dial());
    let point = plan.point();
    let n = i128::from(point.gears.dial.every.unwrap_or(1));
    let sent = motion(Drill::CatchMark, &point, &job, &lathe, 9);
    let [teeth, marks] = sent.dial.unwrap();
    // When the first mark that serves comes to the line, off the motion as sent.
    let first = &sent.stretches[0].counted;
    let step = f64::from(teeth) * n as f64 / f64::from(marks);
    let next = if first.rate > 0.0 { (first.at / step).ceil() } else { (first.at / step).floor() } * step;
    let at = (next - first.at) / first.rate;
    let tooth = 1.0 / first.rate.abs();
    for (off, right) in [(-0.05, true), (0.05, true), (0.3, false)] {
        let keys = key(at + off * tooth, HandAct::Close);
        let (view, kept) = judge(begin(Drill::CatchMark, &point, &job, &lathe, 9), &keys, Voice::default());
        assert!(kept.is_none(), "closing a lever is no stop");
        // r = 1/3 takes any tooth; whatever it is, the dial's rule says which.
        let serves = right || point.gears.hung.as_ref().unwrap().ratio.numer().abs() == 1;
        assert_eq!(view.good, serves, "{off}: {} {:?}", view.says, view.faults);
        if !serves {
            assert_eq!(view.faults[0].code, "wrong-mark");
        }
    }
}

/// The whole cycle: done in its order, and with the spindle reversed before the tool is out.
#[test]
fn the_cycle_in_its_order_and_out_of_it() {
    let order = |out_first: bool| {
        move |sent: &MotionView| {
            let at = comes_to(sent, mark(sent));
            let acts = if out_first { [HandAct::Out, HandAct::Stop, HandAct::Back] } else { [HandAct::Stop, HandAct::Back, HandAct::Out] };
            let times = if out_first { [at, at + 0.2, at + 3.0] } else { [at - 0.2, at + 3.0, at + 9.0] };
            acts.into_iter().zip(times).map(|(act, at_s)| Pressed { at_s, act }).collect()
        }
    };
    let (_, view, _) = tried(tie_rod(), Drill::Cycle, 2, order(true));
    assert!(view.good, "{:?}", view.faults);
    let (_, view, _) = tried(tie_rod(), Drill::Cycle, 2, order(false));
    assert_eq!(view.faults[0].code, "reversed-in", "{:?}", view.faults);
    // Less than a turn back is enough, wherever it was stopped.
    for early in [0.4, 1.0, 1.3, 1.8, 2.2] {
        let keys = |sent: &MotionView| {
            let at = comes_to(sent, mark(sent)) - early;
            [(0.0, HandAct::Stop), (1.9, HandAct::Back), (3.8, HandAct::Out), (4.3, HandAct::Go)].map(|(s, act)| Pressed { at_s: at + s, act }).to_vec()
        };
        let mut slow = tie_rod();
        slow["setup"] = json!({"spindle_rpm": 27});
        let (_, view, _) = tried(slow, Drill::Cycle, 2, keys);
        assert_eq!(view.faults.first().map(|f| f.code), Some("reversed-in"), "{early}: {:?}", view.faults);
    }
    // It is seen in the groove.
    let role = |role: &str| view.groove.shapes.iter().find(|s| s.role == role).unwrap().line.clone();
    assert_ne!(role("cut.surface"), role("cut.meant"));
}

/// Played right, the groove is the one meant, to the last place, whichever way the cut goes and however the depth is carried.
#[test]
fn played_right_the_groove_is_the_one_meant() {
    // Cut away from its shoulder with the half-nut closed, the start lies in the relief.
    let mut closed_away = acme();
    closed_away["setup"] = json!({"ending": "closed"});
    for request in [tie_rod(), by_the_dial(), acme(), bore(), closed_away] {
        let (plan, job, lathe, kit) = whole(request.clone());
        let point = plan.point();
        for drill in rehearsal(&point, (&job, &lathe, &kit), &Tries::default()).drills {
            let shown = shown(drill.drill, &point, &job, &lathe);
            let right = &shown.plays[0].tried;
            // What the space bar does is what is shown.
            assert_eq!(shown.plays[0].keys.iter().map(|k| k.act).collect::<Vec<_>>(), shown.motion.order, "{:?} of {request}", drill.drill);
            assert!(right.good, "{:?} of {request}: {} {:?} {:?}", drill.drill, right.says, right.then, right.faults);
            let line = |role: &str| right.groove.shapes.iter().find(|s| s.role == role).unwrap().line.clone();
            for (cut, meant) in line("cut.surface").iter().zip(line("cut.meant")) {
                if drill.drill != Drill::CatchMark {
                    assert!((cut[1] - meant[1]).abs() < 1e-5, "{:?} of {request}: {cut:?} {meant:?}", drill.drill);
                }
            }
            // A mistake is seen to be one.
            for play in &shown.plays[1..] {
                let open_end = play.code == "nobody" || play.code == "late";
                assert!(!play.tried.good || open_end, "{:?} {} of {request}: {}", drill.drill, play.code, play.tried.says);
            }
        }
    }
}

#[test]
fn a_hand_makes_what_is_reckoned_with_slower_and_never_faster() {
    let (plan, job, lathe, kit) = whole(tie_rod());
    let reckoned = plan.point().setup.reaction_s;
    let tries = |late: f64| {
        let mut tries = Tries::default();
        for i in 0..14 {
            let late_s = late + 0.02 * f64::from(i % 3);
            tries.add("spindle", Kept { id: 0, past_mm: 2.5 * late_s, lead_mm: 2.5, rps: 1.0, coast_turns: 0.0 });
        }
        tries
    };
    for (late, slower) in [(0.2, false), (reckoned + 0.1, true)] {
        let view = rehearsal(&plan.point(), (&job, &lathe, &kit), &tries(late));
        let [hand] = &view.hands[..] else { panic!("{:?}", view.hands) };
        let change = hand.change.as_ref().map(|c| c["setup"]["reaction_s"].as_f64().unwrap());
        assert_eq!(change.is_some(), slower, "{hand:?}");
        assert!(change.is_none_or(|c| c > reckoned && (c - hand.reckoned_s.unwrap()).abs() < 1e-9));
        assert!(hand.says.iter().any(|s| s.contains("1 in ")), "{:?}", hand.says);
    }
    // Opening the half-nut is another sample: of a job that never opens it, it changes nothing.
    let mut other = Tries::default();
    (0..12).for_each(|i| other.add("open", Kept { id: 0, past_mm: 4.0 + 0.1 * f64::from(i % 2), lead_mm: 2.5, rps: 1.0, coast_turns: 0.0 }));
    let view = rehearsal(&plan.point(), (&job, &lathe, &kit), &other);
    assert!(view.hands[0].sample == "open" && view.hands[0].change.is_none());
}

/// Every drill of every job of a kind: the motion reaches its mark, a hand that acts at it is told so, and every sentence is whole.
#[test]
fn every_drill_of_every_kind_of_job_may_be_done_right() {
    let jobs = [
        tie_rod(),
        by_the_dial(),
        acme(),
        bore(),
        json!({"thread": {"callout": "Tr40x14(P7)", "length_mm": 200}, "lathe": demo_lathe(1)}),
        json!({"thread": {"callout": "2BA", "length_mm": 10}, "bit": {"tip_radius_mm": 0.15}, "lathe": demo_lathe(2)}),
        json!({"thread": {"callout": "7/8-9", "length_mm": 40}, "lathe": {"leadscrew": {"tpi": 8}, "gears": [20, 40, 63, 65, 80], "drive": "hand"}}),
    ];
    for request in jobs {
        let (plan, job, lathe, kit) = whole(request.clone());
        let point = plan.point();
        let view = rehearsal(&point, (&job, &lathe, &kit), &Tries::default());
        assert!(!view.drills.is_empty(), "{request}");
        for drill in view.drills.iter().map(|d| d.drill) {
            for seed in [1, 77] {
                let sent = motion(drill, &point, &job, &lathe, seed);
                assert!(sent.stretches.len() > 1 && sent.lasts_s > 1.0 && sent.lasts_s < 400.0, "{drill:?} of {request}: {}", sent.lasts_s);
                if drill.winds() || drill == Drill::CatchMark {
                    continue;
                }
                let at = comes_to(&sent, mark(&sent));
                assert!((1.0..62.0).contains(&at), "{drill:?} of {request}: {at}");
                let (view, _) = judge(begin(drill, &point, &job, &lathe, seed), &key(at, sent.acts[0].act), Voice::default());
                let all = view.faults.iter().all(|f| f.code == "chuck");
                assert!(all, "{drill:?} of {request}: {} {:?}", view.says, view.faults);
                assert!(!view.says.contains('{') && !view.advice.is_empty());
            }
        }
    }
}

/// Tried at the lathe itself it may be reckoned with as quicker, and the speed no more than half as fast again as the fastest tried.
#[test]
fn only_what_was_tried_at_the_lathe_makes_the_time_shorter_and_lifts_the_speed() {
    let (plan, job, lathe, kit) = whole(tie_rod());
    let point = plan.point();
    let held = point.setup.speed_rpm.as_ref().unwrap().value;
    let mut tries = Tries::default();
    for i in 0..12_u32 {
        // 0.15 s and a little, at 60 rpm, and what it coasts.
        let late = 0.15 + 0.01 * f64::from(i % 4);
        let scene_coast = lathe.coast[0] * (60.0 / lathe.coast[1]).powi(2);
        let past = 2.5 * (late + scene_coast);
        let (sample, kept) = at_lathe(Drill::StopSpindle, u64::from(i) + 1, (past, 60.0), &point, &job, &lathe).unwrap();
        assert!(sample == "lathe_spindle" && (Stop::from(kept).late_s() - late).abs() < 1e-9);
        tries.add(sample, kept);
        // The same at a key: no quicker for it.
        tries.add("spindle", kept);
    }
    let view = rehearsal(&point, (&job, &lathe, &kit), &tries);
    let of = |sample: &str| view.hands.iter().find(|h| h.sample == sample).unwrap();
    assert!(of("spindle").change.is_none());
    let change = of("lathe_spindle").change.clone().unwrap();
    let reckoned = change["setup"]["reaction_s"].as_f64().unwrap();
    assert!(reckoned < point.setup.reaction_s && (reckoned - of("lathe_spindle").reckoned_s.unwrap()).abs() < 1e-9);
    assert_eq!(change["setup"]["comfort_rpm"], json!(90.0));
    // Taken over, the plan may go faster, and never past what was tried by half.
    let mut request = tie_rod();
    request["setup"] = change["setup"].clone();
    request["blank"]["relief_width_mm"] = json!(40);
    let quicker = whole(request).0;
    let now = quicker.point().setup.speed_rpm.as_ref().unwrap().value;
    assert!(now <= 90.0 && quicker.point().setup.reaction_s < point.setup.reaction_s, "{now} and {held}");
    assert!(at_lathe(Drill::Cycle, 1, (1.0, 60.0), &point, &job, &lathe).is_none());
}

/// Ten tasks from the drills a job has, done one by one; what is done stays done, and a try told twice is one.
#[test]
fn the_path_is_gone_step_by_step() {
    for (request, stop, then, mistake) in [
        (tie_rod(), Drill::StopSpindle, Drill::Cycle, "tool-in"),
        (by_the_dial(), Drill::StopOpen, Drill::ToZero, "past-nought"),
        (radial_by_the_dial(), Drill::StopOpen, Drill::StopSpindle, "late"),
    ] {
        let shoulder = request["blank"]["shoulder"] == true;
        let (plan, job, lathe, kit) = whole(request);
        let drills = rehearsal(&plan.point(), (&job, &lathe, &kit), &Tries::default()).drills;
        assert_eq!(drills.iter().any(|d| d.drill == Drill::Away), shoulder, "{drills:?}");
        let path = |tries: &Tries| rehearsal(&plan.point(), (&job, &lathe, &kit), tries).path;
        let mut tries = Tries::default();
        let tasks = path(&tries);
        assert!(tasks.iter().all(|t| t.drill != Drill::Away), "{tasks:?}");
        assert_eq!((tasks.len(), tasks.iter().filter(|t| t.done).count()), (10, 0), "{tasks:?}");
        // Whatever is to be watched is among what is shown of that drill.
        for task in &tasks {
            let plays = shown(task.drill, &plan.point(), &job, &lathe).plays;
            assert!(task.play.is_none_or(|play| plays.iter().any(|p| p.code == play)), "{task:?}");
            assert!(!task.proves.is_empty());
        }
        let done = |tries: &Tries| path(tries).iter().map(|t| t.done).collect::<Vec<_>>();
        assert!(tries.watched(stop, "right") && tries.watched(stop, "late") && !tries.watched(stop, "upside down"));
        assert_eq!(done(&tries)[..4], [true, false, true, false]);
        // Two good, one spoilt, and the last told again: no three running.
        for (id, good) in [(1, true), (2, true), (3, false), (4, true), (4, true), (5, true)] {
            tries.went(id, stop, good);
        }
        assert_eq!((done(&tries)[3], done(&tries)[4], path(&tries)[4].so_far), (true, false, Some([2, 3])));
        tries.went(6, stop, true);
        // Spoilt after that, it stays done.
        tries.went(7, stop, false);
        assert!(done(&tries)[4]);
        for i in 0..10_u32 {
            let kept = Kept { id: u64::from(i) + 100, past_mm: 0.5, lead_mm: 2.5, rps: 1.0, coast_turns: 0.0 };
            tries.add(stop.sample().unwrap(), kept);
        }
        tries.went(8, stop, true);
        tries.went(9, Drill::FirstPass, true);
        tries.watched(then, "right");
        tries.watched(then, mistake);
        for id in 20..23 {
            tries.went(id, then, true);
        }
        assert!(done(&tries).iter().all(|d| *d), "{:?}", path(&tries));
        // Kept and read again, it is the same.
        let again: Tries = serde_json::from_str(&serde_json::to_string(&tries).unwrap()).unwrap();
        assert_eq!(again, tries);
        // What was kept before there was a path reads too.
        assert!(serde_json::from_str::<Tries>(r#"{"open": [], "spindle": [], "hand": []}"#).is_ok());
    }
}

/// Back to nought by its dial: what is wound past, set twice or not at all is said in its divisions, and only the one right way is good.
#[test]
fn the_cross_slide_comes_back_to_nought_and_the_depth_goes_on_by_one() {
    let (plan, job, lathe, _) = whole(by_the_dial());
    let sent = motion(Drill::ToZero, &plan.point(), &job, &lathe, 4);
    let collar = sent.collar.as_ref().unwrap();
    // The Gap bed's cross-slide: 0.02 mm on the diameter, so a hundredth of travel a division.
    let slide = &lathe.cross_slide;
    let read = if slide.reads == yoke_core::job::Reads::Diameter { 2.0 } else { 1.0 };
    assert!((collar.division_mm - slide.graduation_mm / read).abs() < 1e-12 && collar.wanted == 0.0, "{collar:?}");
    // A tenth of a turn a second, from where winding in left it: so many seconds to nought.
    let turn = collar.division_mm * collar.of;
    let begins = |slow_s: f64, steps: usize, go: bool| {
        let mut keys =
            vec![Pressed { at_s: 0.5, act: HandAct::In }, Pressed { at_s: 4.0, act: HandAct::Slowly }, Pressed { at_s: 4.0 + slow_s, act: HandAct::Hold }];
        keys.extend((0..steps).map(|i| Pressed { at_s: 20.0 + i as f64, act: HandAct::Deeper }));
        keys.extend(go.then_some(Pressed { at_s: 25.0, act: HandAct::Go }));
        let (view, kept) = judge(begin(Drill::ToZero, &plan.point(), &job, &lathe, 4), &keys, Voice::default());
        assert!(kept.is_none());
        view
    };
    let to_nought = (turn / 2.0).min(1.25) / (0.1 * turn);
    let right = begins(to_nought, 1, true);
    assert!(right.good && right.says.contains("at its figure"), "{right:?}");
    // A second late at a tenth of a turn is so many divisions past.
    let past = begins(to_nought + 1.0, 1, true);
    assert!(!past.good && past.faults[0].code == "not-at-zero" && past.says.contains(&format!("{} divisions past", collar.of / 10.0)), "{past:?}");
    let short = begins(to_nought - 0.5, 1, true);
    assert!(!short.good && short.says.contains(&format!("{} divisions short", collar.of / 20.0)), "{}", short.says);
    let twice = begins(to_nought, 2, true);
    assert!(!twice.good && twice.faults.iter().any(|f| f.code == "twice"), "{twice:?}");
    let none = begins(to_nought, 0, true);
    assert!(!none.good && none.then.as_ref().unwrap().contains("not set on"), "{none:?}");
    assert!(begins(to_nought, 1, false).says.contains("never begun"));
}

/// Away from the chuck is the job planned so: reversed, out of its relief; not where a chuck would unscrew, nor where nothing stands behind.
#[test]
fn away_from_the_chuck_is_the_job_planned_so() {
    let (plan, job, lathe, kit) = whole(tie_rod());
    let (turned, _) = away(&job, &lathe, &kit).unwrap();
    assert_eq!(turned.point().cut.passes.last().unwrap().radial_mm, plan.point().cut.passes.last().unwrap().radial_mm);
    let seen = |code: &str| {
        on(Drill::Away, &plan.point(), (&job, &lathe, &kit), |plan, job| {
            let view = shown(Drill::Away, plan, job, &lathe).plays.into_iter().find(|p| p.code == code).unwrap().tried;
            (view.good, view.faults.first().map(|f| f.code), view.says)
        })
        .unwrap()
    };
    let (good, _, says) = seen("right");
    assert!(good && says.contains("Back in the relief"), "{says}");
    for (play, code) in [("wrong-way", "crash"), ("ran-back", "crash"), ("over-metal", "fed-over")] {
        let (good, fault, says) = seen(play);
        assert!(!good && fault == Some(code), "{play}: {fault:?} {says}");
    }
    for lathe_is in [json!({"spindle": {"chuck": "screwed", "reverses": true}}), json!({"spindle": {"chuck": "cam_lock", "reverses": false}})] {
        let mut request = tie_rod();
        request["lathe"]["spindle"] = lathe_is["spindle"].clone();
        let (plan, job, lathe, kit) = whole(request);
        assert!(away(&job, &lathe, &kit).is_none());
        assert!(on(Drill::Away, &plan.point(), (&job, &lathe, &kit), |_, _| ()).is_none());
    }
    let (_, job, lathe, kit) = whole(by_the_dial());
    assert!(away(&job, &lathe, &kit).is_none(), "nothing stands behind it");
}

/// A whole job by the lathe that stands in: every pass at its depth, no fault, and three wires read what the plan expects, by the section alone.
#[test]
fn a_whole_job_is_done_as_it_is_planned() {
    let mut inch = tie_rod();
    inch["thread"] = json!({"callout": "3/4-10 UNC-2A", "length_mm": 40});
    inch["blank"] = json!({"diameter_mm": 19.0, "shoulder": true, "shoulder_mm": 30, "relief_width_mm": 12});
    for request in [tie_rod(), by_the_dial(), inch] {
        let (plan, job, lathe, _) = whole(request.clone());
        let point = plan.point();
        let done = whole_run(&point, &job, &lathe);
        let part = done.part.clone().unwrap();
        let rows = &point.cut.passes;
        assert_eq!(done.passes.len(), rows.len());
        let steps: Vec<Step> = done.begins.into_iter().chain(done.passes.into_iter().flatten()).collect();
        let mut operator = Operator::new(done.lathe, Readout::new(Vec::new(), "", 1), 1).with_part(part.clone());
        operator.told(steps);
        while !operator.done() {
            operator.advance(operator.lathe.now_s() + 5.0);
        }
        assert!(operator.refused().is_empty());
        let stage = Stage { machine: operator.lathe.machine(), work: &part.work, tool: &part.tool, track: operator.lathe.track() };
        let strokes = stage.strokes();
        assert_eq!(strokes.len(), rows.len(), "{request}");
        for (stroke, row) in strokes.iter().zip(rows) {
            assert!((stroke.depth_mm - row.radial_mm).abs() < 1e-6, "{} for {} of {request}", stroke.depth_mm, row.radial_mm);
        }
        let faults = stage.faults(&Meant { mark_mm: strokes[0].until_mm, depths_mm: rows.iter().map(|r| r.radial_mm).collect(), to_zero: false });
        assert!(faults.iter().all(|f| matches!(f.fault, Fault::Short(_))), "{faults:?}");
        let expected = rows.last().unwrap().over_wires_mm.as_ref().unwrap().value;
        let read = operator.measured().pop().flatten().unwrap();
        assert!((read - expected).abs() < 2e-3, "{read} for {expected} of {request}");
    }
    // A drill of it is played as it is shown.
    let (plan, job, lathe, _) = whole(tie_rod());
    let begun = begin(Drill::StopSpindle, &plan.point(), &job, &lathe, 1);
    assert!(played(&begun, "sideways", &plan.point()).is_none());
    let late = played(&begun, "late", &plan.point()).unwrap();
    assert!(late.passes.is_empty() && late.begins.len() == 3, "a wait and two acts");
}
