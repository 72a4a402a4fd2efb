//! The run beside the lathe: whatever happens in the middle of a cut, and what is left of it then.

use serde_json::{Value, json};
use yoke_core::cut::PassKind;
use yoke_core::gauge::VerdictKind;
use yoke_core::log::{Act, ActKind, RunState, fold};
use yoke_core::plan::Plan;
use yoke_core::run::RunPlan;
use yoke_core::voice::Voice;
use yoke_trials::{SinglePoint, demo_lathe, on, sound};

/// Acts as a tablet sends them.
fn acts(list: &[Value]) -> Vec<Act> {
    list.iter().enumerate().map(|(i, a)| Act { id: format!("a{i}"), kind: serde_json::from_value(a.clone()).unwrap() }).collect()
}

/// The first so many passes of the plan, cut as asked.
fn passes(plan: &Plan, count: usize) -> Vec<Value> {
    plan.run.passes[..count].iter().map(|p| json!({"kind": "pass_done", "n": p.n, "radial_mm": p.radial_mm})).collect()
}

fn then(plan: &Plan, count: usize, more: &[Value]) -> RunState {
    fold(&plan.run, &acts(&[&passes(plan, count), more].concat()), Voice::default())
}

/// A stud on the long bed, its flat measured.
fn stud() -> Plan {
    sound(json!({"thread": {"callout": "M20x2.5-6g"}, "lathe": demo_lathe(0), "bit": {"included_angle_deg": 60, "tip_flat_mm": 0.3}}))
}

#[test]
fn a_pass_cut_at_another_reading_stands_where_it_was_read() {
    let plan = stud();
    let asked = plan.run.passes[4];
    // One whole division deeper than was asked for, in the dial's own unit.
    let deeper = asked.radial_mm * plan.run.dial.reading_per_radial / 25.4 + 0.001;
    let state = then(&plan, 4, &[json!({"kind": "took", "n": asked.n, "reading": deeper})]);
    let stood = deeper * 25.4 / plan.run.dial.reading_per_radial;
    assert!((state.stands_mm - stood).abs() < 1e-9, "{} {stood}", state.stands_mm);
    assert_eq!(state.done.last(), Some(&asked.n));
    let next = state.next.unwrap();
    assert!(next.pass.radial_mm > stood && next.pass.n == plan.run.passes[5].n, "what it passed is not offered again");
    // So deep that the next pass is behind it: that one is left out.
    let much = plan.run.passes[5].radial_mm * plan.run.dial.reading_per_radial / 25.4 + 0.0005;
    let state = then(&plan, 4, &[json!({"kind": "took", "n": asked.n, "reading": much})]);
    assert!(state.next.as_ref().unwrap().pass.radial_mm > state.stands_mm, "{:?}", state.next);
    let wild = ActKind::Took { n: 1, reading: 3.0 };
    assert_eq!(plan.run.check(&wild, Voice::default()).unwrap_err().0, "/reading", "three inches on a thread of two millimetres");
}

#[test]
fn one_more_spring_pass_moves_no_dial_and_is_counted_in_the_estimate() {
    let plan = stud();
    let before = then(&plan, 8, &[]);
    let sprung = then(&plan, 8, &[json!({"kind": "sprung"})]);
    assert_eq!((sprung.stands_mm, &sprung.next), (before.stands_mm, &before.next));
    // The same reading after two springs leaves less of the spring to doubt than straight after the cut.
    let reading = json!({"kind": "measured", "pitch_diameter_mm": plan.run.start_mm - 2.0 * (before.stands_mm - plan.run.tip_to_pitch_mm)});
    let doubt = |more: &[Value]| then(&plan, 8, &[more, std::slice::from_ref(&reading)].concat()).tip.unwrap().doubt_mm;
    assert!(doubt(&[json!({"kind": "sprung"}), json!({"kind": "sprung"})]) < doubt(&[]));
}

#[test]
fn another_bit_goes_on_from_the_size_the_groove_has() {
    let plan = stud();
    let stood = plan.run.passes[8].radial_mm;
    let changed = then(&plan, 9, &[json!({"kind": "bit_changed", "why": "reground", "tip_flat_mm": 0.2})]);
    // By hand: a flat 0.1 mm narrower ends 0.1/(2·tan 30°) farther past the pitch line, so the same groove stands as much deeper on the dial.
    let longer = 0.1 / (2.0 * 30.0_f64.to_radians().tan());
    assert!((changed.stands_mm - stood - longer).abs() < 1e-9, "{} {stood}", changed.stands_mm);
    let last = changed.schedule.last().unwrap();
    let size = plan.run.start_mm - 2.0 * (last.pass.radial_mm - plan.run.tip_to_pitch_mm - longer);
    let division = plan.run.dial.nearest(0.1).radial_mm.abs().max(0.02);
    assert!(size >= plan.run.target_mm - 1e-9 && size < plan.run.target_mm + 2.0 * division, "{size} {}", plan.run.target_mm);
    assert!(changed.pick_up.iter().any(|s| s.contains("Touch it on the crest")), "{:?}", changed.pick_up);
    // Measured with the new bit, the size is judged by its own tip.
    let reading = plan.run.start_mm - 2.0 * (stood - plan.run.tip_to_pitch_mm) + 0.03;
    let judged =
        then(&plan, 9, &[json!({"kind": "bit_changed", "why": "swapped", "tip_flat_mm": 0.2}), json!({"kind": "measured", "pitch_diameter_mm": reading})]);
    assert_eq!(judged.verdict.as_ref().map(|v| v.verdict), Some(VerdictKind::TakeMore), "{:?}", judged.verdict);
    let deepest = judged.schedule.last().unwrap().pass.radial_mm;
    assert!(reading - 2.0 * (deepest - judged.stands_mm) >= plan.run.limits_mm[0], "never past the limit");
    // Untold, the new tip may be wider or narrower; what is left stops no deeper than the widest would allow, and pieces are looked for.
    let broke = then(&plan, 9, &[json!({"kind": "bit_changed", "why": "broke"})]);
    assert!(broke.pick_up[0].contains("every piece") && broke.next.is_none() && broke.must_touch && broke.says.contains("Touch the groove"));
    let told = |state: &RunState| state.schedule.last().unwrap().pass.radial_mm;
    assert!(told(&broke) < told(&changed), "{} {}", told(&broke), told(&changed));
    // One zero: no step sets the dial to anything but nought on the crest.
    assert!(
        [&broke, &changed]
            .iter()
            .all(|s| s.pick_up.iter().all(|step| !step.contains("set the dial")) && s.pick_up.iter().filter(|step| step.contains("zero")).count() == 1)
    );
}

#[test]
fn the_groove_touched_tells_the_new_tip() {
    let plan = stud();
    let stood = plan.run.passes[8].radial_mm;
    let size = plan.run.start_mm - 2.0 * (stood - plan.run.tip_to_pitch_mm);
    let read = json!({"kind": "measured", "pitch_diameter_mm": size});
    let broke = json!({"kind": "bit_changed", "why": "broke"});
    // A bit of 0.5 flat put in: from the crest to where both flanks meet, by coordinates. The groove's flank stands P/4 from the middle at the
    // pitch line; a flat of 0.5 meets it where the groove is 0.5 wide, h = (P/2 − 0.5)/(2 tan 30°) below the pitch line.
    let h = (1.25 - 0.5) / (2.0 * 30.0_f64.to_radians().tan());
    let touches = (plan.run.start_mm - size) / 2.0 + h;
    let reading = touches * plan.run.dial.reading_per_radial / if plan.point().cut.dial.unit == yoke_core::quantity::LengthUnit::In { 25.4 } else { 1.0 };
    let touched = then(&plan, 9, &[read.clone(), broke.clone(), json!({"kind": "groove_touched", "reading": reading})]);
    assert!((touched.stands_mm - touches).abs() < 1e-9 && touched.next.is_some() && !touched.must_touch);
    let last = touched.schedule.last().unwrap().pass.radial_mm;
    let ends = plan.run.start_mm - 2.0 * (last - h);
    assert!(ends >= plan.run.target_mm - 1e-9 && ends < plan.run.target_mm + 0.06, "{ends}");
    // Only the bottom marked: it is at least so sharp, and what is left stops for the bluntest it may be.
    let bottom = then(&plan, 9, &[read.clone(), broke.clone(), json!({"kind": "groove_touched", "reading": reading, "bottom_only": true})]);
    assert!(bottom.schedule.last().unwrap().pass.radial_mm <= last + 1e-9);
    // A reading where no tip could touch is refused, and says between which it could.
    let waiting = then(&plan, 9, &[read, broke]);
    let far: ActKind = serde_json::from_value(json!({"kind": "groove_touched", "reading": reading * 2.5})).unwrap();
    assert!(waiting.check(&far, Voice::default()).unwrap_err().1.contains("between"));
    // Between straight sides the width is asked for.
    let square = sound(json!({"thread": {"callout": "1-4 Square"}, "lathe": demo_lathe(0)})).run;
    let swapped: ActKind = serde_json::from_value(json!({"kind": "bit_changed", "why": "swapped"})).unwrap();
    assert_eq!(square.check(&swapped, Voice::default()).unwrap_err().0, "/tip_flat_mm");
}

#[test]
fn out_of_the_chuck_lost_and_stopped_tell_the_way_back() {
    let plan = stud();
    let rechucked = then(&plan, 9, &[json!({"kind": "rechucked"})]);
    assert!(rechucked.pick_up[0].contains("run-out") && rechucked.pick_up.len() == plan.run.pick_up.len() + 2);
    let lost = then(&plan, 9, &[json!({"kind": "lost"})]);
    // With the tip seated in the groove the dial is set to what the groove is deep: zero there would make every setting after too deep.
    assert!(lost.pick_up[2].contains(&format!("to {} ({})", lost.stands.text, lost.stands.reading)), "{:?}", lost.pick_up);
    assert!(!lost.pick_up.iter().any(|s| s.contains("Zero")) && plan.run.pick_up.iter().all(|s| lost.pick_up.contains(s)));
    assert_eq!(lost.next, then(&plan, 9, &[]).next, "the depth is as it was; only the groove was lost");
    // The next pass puts it behind; so does taking the mistake back.
    let next = &plan.run.passes[9];
    assert!(then(&plan, 9, &[json!({"kind": "lost"}), json!({"kind": "pass_done", "n": next.n, "radial_mm": next.radial_mm})]).pick_up.is_empty());
    assert!(then(&plan, 9, &[json!({"kind": "lost"}), json!({"kind": "undone", "act": "a9"})]).pick_up.is_empty());
    let stopped = then(&plan, 9, &[json!({"kind": "stopped"})]);
    assert!(stopped.stopped && stopped.pick_up[0].contains(&stopped.stands.text), "{:?}", stopped.pick_up);
    let resumed = then(&plan, 9, &[json!({"kind": "stopped"}), json!({"kind": "resumed"})]);
    assert!(!resumed.stopped && resumed.next == lost.next && !resumed.pick_up.is_empty(), "the way back stays until a pass is cut");
}

#[test]
fn it_is_not_done_with_until_it_is_proven_where_opening_the_half_nut_loses_it() {
    let finished = ActKind::Finished {};
    // Metric on an inch screw: the half-nut stays closed.
    let metric = stud();
    assert!(metric.run.opening_loses);
    let cut = then(&metric, metric.run.passes.len(), &[]);
    assert_eq!(cut.check(&finished, Voice::default()).unwrap_err().0, "/kind");
    let aim = json!({"kind": "measured", "pitch_diameter_mm": metric.run.target_mm});
    let proven = then(&metric, metric.run.passes.len(), std::slice::from_ref(&aim));
    assert!(proven.may_leave && proven.check(&finished, Voice::default()).is_ok());
    let again = then(&metric, metric.run.passes.len(), &[aim, json!({"kind": "sprung"})]);
    assert!(!again.may_leave, "cut again, it must be measured again");
    assert!(then(&metric, 3, &[]).check(&ActKind::Resumed {}, Voice::default()).is_ok());
    for act in [ActKind::Sprung {}, ActKind::Finished {}, ActKind::Lost {}] {
        assert_eq!(fold(&metric.run, &[], Voice::default()).check(&act, Voice::default()).unwrap_err().0, "/kind", "nothing is cut yet");
    }
    // Sixteen to the inch on four: anywhere on the dial, and opening loses nothing.
    let inch = on(0, "1/2-16 UN-2A");
    assert!(!inch.run.opening_loses && then(&inch, 3, &[]).may_leave);
    let done = then(&inch, 3, &[json!({"kind": "finished"})]);
    assert!(done.closed && done.says.contains("Done with"));
}

#[test]
fn ticks_are_kept_beside_the_cut_and_undo_leaves_them() {
    let plan = stud();
    let tick = |stamp: &str| json!({"kind": "ticked", "step": "gears", "stamp": stamp, "noted": "dial at 3"});
    let state = fold(&plan.run, &acts(&[tick("one")]), Voice::default());
    assert!(!state.begun && state.last_act.is_none(), "a tick neither begins the cut nor is taken back by undo");
    assert_eq!((state.ticks["gears"].stamp.as_str(), state.ticks["gears"].noted.as_deref()), ("one", Some("dial at 3")));
    assert_eq!(fold(&plan.run, &acts(&[tick("one"), tick("two")]), Voice::default()).ticks["gears"].stamp, "two");
    assert!(fold(&plan.run, &acts(&[tick("one"), json!({"kind": "unticked", "step": "gears"})]), Voice::default()).ticks.is_empty());
    for (act, field) in [
        (json!({"kind": "ticked", "step": "", "stamp": "x"}), "/step"),
        (json!({"kind": "ticked", "step": "gears", "stamp": "x", "noted": "n".repeat(201)}), "/noted"),
        (json!({"kind": "bit_changed", "why": "broke", "tip_flat_mm": 0.2, "tip_radius_mm": 0.1}), "/tip_radius_mm"),
        (json!({"kind": "bit_changed", "why": "broke", "tip_flat_mm": -0.2}), "/tip_flat_mm"),
        (json!({"kind": "took", "n": 1, "reading": -1}), "/reading"),
    ] {
        assert_eq!(serde_json::from_value::<ActKind>(act.clone()).unwrap().check(Voice::default()).unwrap_err()[0].0, field, "{act}");
    }
}

#[test]
fn the_stocking_tool_is_followed_by_the_form_tool_and_no_reading_of_it_counts() {
    let plan = sound(json!({"thread": {"callout": "1-5 Acme-2G"}, "lathe": demo_lathe(0), "cut": {"style": "stocking_then_form"}}));
    let rough = plan.run.passes.iter().filter(|p| p.kind == PassKind::Stocking).count();
    assert!(rough > 2, "{:?}", plan.run.passes);
    let first = plan.run.passes.iter().position(|p| p.kind == PassKind::Stocking).unwrap();
    let half = then(&plan, first + 2, &[json!({"kind": "measured", "pitch_diameter_mm": plan.run.limits_mm[1] + 0.01})]);
    assert_eq!(half.verdict.as_ref().map(|v| v.verdict), Some(VerdictKind::Unsure));
    let form = then(&plan, first + rough, &[]);
    assert!(form.says.contains("form tool") && form.next.as_ref().unwrap().pass.kind == PassKind::Cut, "{}", form.says);
}

#[test]
fn alternating_flanks_step_aside_on_the_compound_each_way_in_turn() {
    let plan = sound(json!({"thread": {"callout": "M24x3-6g"}, "lathe": demo_lathe(0), "bit": {"tip_flat_mm": 0.375}, "cut": {"style": "alternating"}}));
    let state = fold(&plan.run, &[], Voice::default());
    let aside: Vec<bool> = state.schedule.iter().filter_map(|s| s.aside.as_ref().map(|a| a.ahead)).collect();
    assert!(aside.len() > 4 && aside.windows(2).filter(|w| w[0] != w[1]).count() > aside.len() / 2, "{aside:?}");
    let side = plan.run.side_dial.as_ref().unwrap();
    for step in state.schedule.iter().filter(|s| s.aside.is_some()) {
        let set = side.nearest(step.pass.side_mm.abs());
        assert!((set.radial_mm - step.pass.side_mm.abs()).abs() < 1e-6, "the side-step is a setting the dial has: {:?}", step.pass);
    }
}

#[test]
fn the_mate_tried_gives_the_next_cut_and_a_fit_that_cannot_be_is_asked_twice() {
    let plan = sound(json!({"thread": {"callout": "M36x1.5-6H"}, "lathe": demo_lathe(1), "bit": {"included_angle_deg": 60, "tip_flat_mm": 0.19}}));
    let all = plan.run.passes.len();
    let tried = |fit: &str| json!({"kind": "tried", "fit": fit});
    let part = 4;
    let stuck = then(&plan, part, &[tried("wont_enter")]);
    let next = stuck.next.as_ref().unwrap();
    assert!(next.pass.radial_mm > stuck.stands_mm && stuck.tip.as_ref().unwrap().mate_mm.is_some(), "{stuck:?}");
    assert!(then(&plan, part, &[tried("wont_enter"), json!({"kind": "undone", "act": format!("a{part}")})]).verdict.is_none());
    let free = then(&plan, all, &[tried("free")]);
    assert!(free.finished && free.may_leave && free.next.is_none());
    // Free, and then with nothing cut it will not enter: every screw of its standard would, so it is no cut that is wanted, told how often.
    let denied = then(&plan, all, &[tried("free"), tried("free"), tried("wont_enter")]);
    assert!(denied.next.is_none() && !denied.finished && denied.verdict.as_ref().unwrap().trouble.is_some(), "{:?}", denied.verdict);
    assert!(then(&plan, all, &[tried("free"), tried("free"), tried("wont_enter"), tried("wont_enter")]).next.is_none());
}

#[test]
fn a_run_frozen_before_these_were_known_still_reads_and_goes_on() {
    let mut old = serde_json::to_value(&stud().run).unwrap();
    for late in ["tip", "side_dial", "cycle", "opening_loses", "pick_up"] {
        old.as_object_mut().unwrap().remove(late);
    }
    let old: RunPlan = serde_json::from_value(old).unwrap();
    let cut = json!({"kind": "pass_done", "n": old.passes[0].n, "radial_mm": old.passes[0].radial_mm});
    let state = fold(&old, &acts(&[cut, json!({"kind": "bit_changed", "why": "broke"}), json!({"kind": "lost"})]), Voice::default());
    assert!(state.next.is_some() && state.may_leave && state.pick_up.len() == 1);
}
