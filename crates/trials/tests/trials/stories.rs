//! The log: the story of a run, its sheet, and what was learned put together.

use serde_json::json;
use yoke_core::gauge::{Estimate, Measured, Observation, VerdictKind};
use yoke_core::log::{Act, ActKind, JobLearned, fold, learned, reaction_s};
use yoke_core::run::{RunPlan, Symptom};
use yoke_core::story::{RecordedAct, story, story_csv};
use yoke_core::thread::Fit;
use yoke_core::voice::Voice;
use yoke_trials::{Chance, demo_lathe, on, sound, tried};

fn told(acts: Vec<ActKind>) -> Vec<RecordedAct> {
    let line = |(i, kind)| RecordedAct { act: Act { id: format!("a{i}"), kind }, happened: format!("2026-05-04T09:{i:02}:00Z"), source: "typed".into() };
    acts.into_iter().enumerate().map(line).collect()
}

fn read(mm: f64) -> ActKind {
    ActKind::Measured(Measured { pitch_diameter_mm: Some(mm), instrument: Some("25-50".into()), ..Measured::default() })
}

fn cut_and_read(run: &RunPlan) -> Vec<ActKind> {
    let mut acts: Vec<ActKind> = run.passes.iter().map(|p| ActKind::PassDone { n: p.n, radial_mm: p.radial_mm }).collect();
    acts.push(read(run.limits_mm[1] + 0.04));
    acts.push(ActKind::Undone { act: format!("a{}", acts.len() - 1) });
    acts.push(read(run.target_mm));
    acts.push(tried(Fit::WontEnter));
    acts.push(ActKind::Trouble { symptom: Symptom::WontStart, cause: "burr".into(), found: true });
    acts.push(ActKind::Note { text: "Brass wire wheel, \"soft\".\nTook the burr off".into() });
    acts
}

#[test]
fn a_story_says_every_act_as_it_stood_when_it_was_told() {
    let run = on(0, "M20x2.5-6g").run;
    let acts = cut_and_read(&run);
    let story = story(&run, &told(acts.clone()), Voice::default());
    assert_eq!(story.lines.len(), acts.len());
    let passes = run.passes.len();
    // Taken back, it stays, with what was judged then.
    let first = &story.lines[passes];
    assert!(first.undone && first.verdict == Some(VerdictKind::TakeMore) && first.then.as_ref().unwrap().starts_with("Take"), "{first:?}");
    assert!(first.says.contains("by thread micrometer, with the 25-50"));
    let second = &story.lines[passes + 2];
    assert_eq!((second.verdict, second.undone, second.size_mm), (Some(VerdictKind::InLimits), false, Some(run.target_mm)));
    assert!(story.lines.iter().any(|l| l.says == "The nut will not start. Found: A burr, or a torn crest."), "{:?}", story.lines);
    assert!(story.lines[..passes].iter().zip(&run.passes).all(|(l, p)| l.pass == Some(p.n) && l.stands_mm == p.radial_mm));
    // What stands is drawn: one reading, within the limits' band.
    let dots = story.sizes.as_ref().unwrap().shapes.iter().filter(|s| s.role == "chart.read").count();
    assert!(dots == 1, "{dots}");
    assert!(story.result.contains("passes"), "{}", story.result);
}

#[test]
fn the_sheet_reads_back_line_by_line() {
    let run = on(0, "M20x2.5-6g").run;
    let story = story(&run, &told(cut_and_read(&run)), Voice::default());
    let sheet = story_csv(&story.lines);
    let mut reader = csv::Reader::from_reader(sheet.as_bytes());
    assert_eq!(reader.headers().unwrap().iter().next(), Some("happened"));
    let rows: Vec<csv::StringRecord> = reader.records().map(Result::unwrap).collect();
    assert_eq!(rows.len(), story.lines.len());
    for (row, line) in rows.iter().zip(&story.lines) {
        assert_eq!((&row[0], &row[1], &row[10]), (line.happened.as_str(), line.kind, line.says.as_str()), "quotes and line ends come back as they were");
        assert_eq!(row[5].parse::<f64>().ok().map(|v| (v * 1e6).round()), line.size_mm.map(|v| (v * 1e6).round()));
    }
}

#[test]
fn what_jobs_learned_together_is_nearer_the_truth_and_begins_the_next() {
    // A lathe on which 22 % springs away, cut on by twelve jobs read twice each; together they know it better than any one.
    let plan = sound(json!({"thread": {"callout": "M20x2.5-6g"}, "lathe": demo_lathe(0), "bit": {"tip_flat_mm": 0.31}}));
    let run = &plan.run;
    let mut chance = Chance(11);
    let jobs: Vec<JobLearned> = (0..12)
        .map(|_| {
            let mut known = Estimate::before(run).unwrap();
            let deep = run.passes.last().unwrap().radial_mm;
            let (mut stood, mut left, mut sets) = (0.0, 0.0, Vec::new());
            for to in run.passes.iter().map(|p| p.radial_mm).chain([deep + 0.15, deep + 0.30, deep + 0.30]) {
                left = 0.22 * (to - stood + left);
                stood = to;
                sets.push(to);
                if to > deep {
                    let size = run.size_at(to - left - run.tip_to_pitch_mm) + 0.002 * chance.normal();
                    known.see(run, &sets, &Observation::Size { mm: size, doubt_mm: 0.005 });
                }
            }
            let found = known.found(run, Voice::default()).unwrap();
            JobLearned {
                lathe: "Long bed".into(),
                material: "mild steel".into(),
                style: "modified_flank".into(),
                found,
                told_flat_mm: Some(0.31),
                reactions_s: vec![0.4, 0.5],
                title: "Tie rod".into(),
            }
        })
        .collect();
    let all = learned(&jobs, Voice::default());
    assert_eq!((all.len(), all[0].jobs, all[0].style.as_deref()), (1, 12, Some("modified_flank")));
    let one = learned(&jobs[..1], Voice::default());
    assert!((one[0].spring - jobs[0].found.spring).abs() < 1e-9, "one job alone is what it found");
    assert!(all[0].spring_doubt < 0.6 * one[0].spring_doubt, "{} {}", all[0].spring_doubt, one[0].spring_doubt);
    assert!((all[0].spring - 0.22).abs() < all[0].spring_doubt + 0.02, "{}", all[0].says);
    assert!(all[0].tip_wear_mm.unwrap().abs() < 0.05);
    // One's own reaction: 2.5 mm past the mark at 2.5 mm a turn and 120 rpm is half a second; the mean 0.45 and twice its spread, 0.051, made up to a tenth.
    assert!((reaction_s(2.5, 2.5, 120.0).unwrap() - 0.5).abs() < 1e-12 && reaction_s(1.0, 2.5, 0.0).is_none());
    assert_eq!((all[0].reaction_s, one[0].reaction_s), (Some(0.6), None));
    // The next job, told so, begins from it.
    let next = sound(
        json!({"thread": {"callout": "M20x2.5-6g"}, "lathe": demo_lathe(0), "gauge": {"spring": {"share": all[0].spring, "doubt": all[0].spring_doubt}}}),
    );
    assert_eq!(next.run.spring, Some([all[0].spring, all[0].spring_doubt / 2.0]));
    let acts: Vec<Act> =
        told(vec![ActKind::PassDone { n: 1, radial_mm: 1.0 }, read(next.run.size_at(1.0 - next.run.tip_to_pitch_mm))]).into_iter().map(|t| t.act).collect();
    let found = fold(&next.run, &acts, Voice::default()).tip.unwrap();
    assert!((found.spring - all[0].spring).abs() < 2.0 * all[0].spring_doubt && found.spring_doubt <= all[0].spring_doubt + 1e-9);
    let faults = yoke_trials::reckon(json!({"thread": {"callout": "M20"}, "gauge": {"spring": {"share": 0.9, "doubt": 0.1}}})).unwrap_err();
    assert_eq!(faults[0].pointer, "/gauge/spring/share");
}

#[test]
fn plain_sizes_passes_run_past_and_scrap_are_told_and_taken_back() {
    let plan = sound(json!({"thread": {"callout": "M16x2-6g"}, "lathe": demo_lathe(2)}));
    let size = |mm| ActKind::Sized { name: "shank".into(), mm };
    let spoilt = ActKind::Scrapped { why: "the bit dug in".into() };
    let all = vec![size(15.9), ActKind::PassDone { n: 1, radial_mm: 0.3 }, ActKind::Overran { past_mm: 1.5 }, size(15.95), spoilt];
    let mut acts: Vec<Act> = told(all).into_iter().map(|t| t.act).collect();
    let state = fold(&plan.run, &acts, Voice::default());
    assert_eq!((state.sizes["shank"], state.overran_mm.as_slice()), (15.95, [1.5].as_slice()));
    assert!(state.scrapped.is_some() && state.next.is_none() && !state.finished && state.says.contains("Scrapped"));
    let story = story(
        &plan.run,
        &acts.iter().cloned().map(|act| RecordedAct { act, happened: String::new(), source: String::new() }).collect::<Vec<_>>(),
        Voice::default(),
    );
    assert!(story.result.contains("scrapped: the bit dug in"), "{}", story.result);
    assert_eq!(story.lines.iter().map(|l| l.says.as_str()).nth(2), Some("Ran 1.500 mm past the mark."));
    acts.push(Act { id: "back".into(), kind: ActKind::Undone { act: acts[4].id.clone() } });
    let back = fold(&plan.run, &acts, Voice::default());
    assert!(back.scrapped.is_none() && back.next.is_some());
    let refused = |kind: ActKind| kind.check(Voice::default()).unwrap_err()[0].0;
    assert_eq!((refused(size(0.0)), refused(ActKind::Overran { past_mm: -1.0 }), refused(ActKind::Scrapped { why: " ".into() })), ("/mm", "/past_mm", "/why"));
}
