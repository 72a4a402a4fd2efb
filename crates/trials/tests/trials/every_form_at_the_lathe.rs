//! Every family stood beside: a tip that is not what was believed, a slide that springs, and readings that
//! lead to the size all the same, never past it.

use proptest::prelude::*;
use serde_json::json;
use yoke_core::gauge::{Measured, VerdictKind};
use yoke_core::log::{Act, ActKind, fold};
use yoke_core::quantity::real;
use yoke_core::thread::Side;
use yoke_core::thread::series::standards;
use yoke_core::voice::Voice;
use yoke_trials::{demo_lathe, judge, sound};

/// What this lathe really leaves at a depth set: the true tip is off by `tip`, and the slide springs by a share.
fn truth(run: &yoke_core::run::RunPlan, set: f64, tip: f64, spring: f64) -> f64 {
    let cut = set * (1.0 - spring) - (run.tip_to_pitch_mm + tip);
    if run.side == Side::External { run.start_mm - 2.0 * cut } else { run.start_mm + 2.0 * cut }
}

proptest! {
    #![proptest_config(ProptestConfig::with_cases(250))]

    #[test]
    fn readings_lead_every_family_to_size(i in 0..standards().len(), inside: bool, lathe in 0_usize..3, tip in 0.0_f64..1.0, spring in 0.0_f64..0.01) {
        let one = &standards()[i];
        let plan = sound(json!({"thread": {"callout": one.name, "side": if inside { "internal" } else { "external" }}, "lathe": demo_lathe(lathe)}));
        let run = &plan.run;
        // The tip is blunter than believed by up to its doubt, so that the schedule ends shallow, as a hand would have it.
        let tip = -tip * run.tip_doubt_mm.min(0.05 * real(&one.pitch));
        let Some(last) = run.passes.last() else { return Ok(()) };
        let mut set = last.radial_mm;
        // A blunter tip stands nearer the pitch line: h is less than believed, so the groove is cut too wide at this depth.
        // Hold back by what that could be, as the plan says to stop and measure.
        set += 2.0 * tip.min(0.0);
        let band = run.limits_mm[1] - run.limits_mm[0];
        prop_assume!(band > 0.03);
        let turn = if inside { -1.0 } else { 1.0 };
        for _ in 0..40 {
            let size = truth(run, set, tip, spring);
            let verdict = judge(run, &Measured { pitch_diameter_mm: Some(size), ..Measured::default() }, set).unwrap();
            match verdict.verdict {
                VerdictKind::TakeMore => match verdict.next {
                    Some(next) => {
                        prop_assert!(next.radial_mm > set, "{}: the next is deeper", one.name);
                        prop_assert!(next.radial_mm - set <= run.finishing_cut_mm + 1e-9 || run.between(set, next.radial_mm).next().is_none(), "{}: no bolder than a finishing cut", one.name);
                        set = next.last();
                    }
                    // Less than half a division is left: a spring pass, and no number.
                    None => return Ok(()),
                },
                VerdictKind::InLimits => {
                    prop_assert!(run.limits_mm[0] - 1e-9 <= size && size <= run.limits_mm[1] + 1e-9, "{}: {size}", one.name);
                    return Ok(());
                }
                // A reading too far from the dial is questioned; only where the tip or spring made it so.
                VerdictKind::Unsure if verdict.next.is_some() => set = verdict.next.map_or(set, |n| n.last()),
                VerdictKind::Unsure => {
                    let low = if inside { run.limits_mm[1] } else { run.limits_mm[0] };
                    prop_assert!(!verdict.questions.is_empty() || (turn * (size - low)).abs() <= 0.006 || verdict.says.contains("the doubt"), "{}: {verdict:?}", one.name);
                    return Ok(());
                }
                VerdictKind::PastLimit => prop_assert!(false, "{} {inside}: past the limit at {size}, limits {:?}", one.name, run.limits_mm),
            }
        }
        prop_assert!(false, "{}: forty readings and still not there", one.name);
    }

    /// The run of any family folds the same however its acts are told, and undone acts count for nothing.
    #[test]
    fn the_run_folds_for_every_family(i in 0..standards().len(), inside: bool, cut in 0_usize..12, undo in 0_usize..12) {
        let one = &standards()[i];
        let plan = sound(json!({"thread": {"callout": one.name, "side": if inside { "internal" } else { "external" }}}));
        let mut acts: Vec<Act> = plan
            .run
            .passes
            .iter()
            .take(cut)
            .enumerate()
            .map(|(k, p)| Act { id: format!("a{k}"), kind: ActKind::PassDone { n: p.n, radial_mm: p.radial_mm } })
            .collect();
        let done = acts.len();
        let state = fold(&plan.run, &acts, Voice::default());
        prop_assert_eq!((state.passes_done, state.begun), (done, done > 0));
        // Told twice is told once.
        let twice: Vec<Act> = acts.iter().flat_map(|a| [a.clone(), Act { id: format!("{}-again", a.id), kind: a.kind.clone() }]).collect();
        prop_assert_eq!(fold(&plan.run, &twice, Voice::default()).passes_done, done);
        if undo < done {
            acts.push(Act { id: "u".into(), kind: ActKind::Undone { act: format!("a{undo}") } });
            prop_assert_eq!(fold(&plan.run, &acts, Voice::default()).passes_done, done - 1);
        }
        let next = fold(&plan.run, &acts[..done], Voice::default()).next;
        prop_assert_eq!(next.is_some(), done < plan.run.passes.len(), "{}", one.name);
    }

    /// Closer classes lie inside wider ones, on both members, for every standard size of a family that has them.
    #[test]
    fn closer_classes_lie_inside_wider_ones(i in 0..standards().len()) {
        let one = &standards()[i];
        let word = one.series.word();
        let classes: &[(&str, &str)] = match word {
            "Acme" => &[("4G", "3G"), ("3G", "2G")],
            "UNC" | "UNF" | "UNEF" => &[("2A", "1A"), ("3B", "2B"), ("2B", "1B")],
            "Tr" => &[("7e", "8e"), ("7H", "8H")],
            "BSW" | "BSF" => &[("close", "medium"), ("medium", "free")],
            "G" => &[("A", "B")],
            _ => &[],
        };
        let of = |class: &str| {
            let plan = sound(json!({"thread": {"callout": one.name, "class": class}}));
            let m = if plan.thread.side == Side::External { plan.thread.external } else { plan.thread.internal };
            let (low, high) = (m.pitch_mm.min.unwrap().value, m.pitch_mm.max.unwrap().value);
            (low, high, high - low)
        };
        for (close, wide) in classes {
            let (a, b) = (of(close), of(wide));
            // To a tenth of a thou, which is how the inch tables round.
            prop_assert!(a.2 <= b.2 + 3e-3, "{} {close} {a:?} {wide} {b:?}", one.name);
            prop_assert!(a.0 >= b.0 - 3e-3, "{}: the low limit of {close} is no lower than of {wide}", one.name);
        }
    }

    /// A chain of sums on the pad, told in any order, gives what the same sums give worked one by one.
    #[test]
    fn the_pad_works_in_any_order(values in prop::collection::vec(-40.0_f64..40.0, 2..9), kinds in prop::collection::vec(0..4_usize, 9), seed in 0_usize..5040) {
        let names = ["location", "middle", "metal_left", "half_difference"];
        let by_hand = |kind: usize, a: f64, b: f64| match kind {
            0 => a + b,
            1 => (a + b) / 2.0,
            2 => (a - b).abs(),
            _ => (a - b) / 2.0,
        };
        // Each sum takes the one before it and a figure of its own.
        let mut sums = Vec::new();
        let mut expected = Vec::new();
        let mut before = 1.0;
        for (k, v) in values.iter().enumerate() {
            let first = if k == 0 { json!({"value": 1.0}) } else { json!({"from": format!("s{}", k - 1)}) };
            sums.push(json!({"name": format!("s{k}"), "kind": names[kinds[k]], "figures": [first, {"value": v}]}));
            before = by_hand(kinds[k], before, *v);
            expected.push((format!("s{k}"), before));
        }
        let mut left = seed;
        let mut shuffled = Vec::new();
        while !sums.is_empty() {
            let at = left % sums.len();
            left /= sums.len().max(2);
            shuffled.push(sums.remove(at));
        }
        let plan = sound(json!({"thread": {"callout": "M20"}, "pad": shuffled}));
        for (name, value) in expected {
            let line = plan.pad.iter().find(|l| l.name == name).unwrap();
            prop_assert!((line.result.value - value).abs() < 1e-9, "{name}: {} but {value}", line.result.value);
        }
    }
}
