//! One voice: whatever is said of a job, begun, read and in trouble, is said in the unit and the words asked, and the numbers are the same.

use crate::every_cure::job;
use serde_json::{Value, json};
use std::collections::{BTreeMap, BTreeSet};
use yoke_core::bit::sheet as bit_sheet;
use yoke_core::faults::Fault;
use yoke_core::gauge::Measured;
use yoke_core::job::{Kit, LatheProfile};
use yoke_core::log::{Act, ActKind, fold};
use yoke_core::paper::papers;
use yoke_core::plan::plan as reckon;
use yoke_core::quantity::LengthUnit;
use yoke_core::route::{Member, propose, said};
use yoke_core::run::Symptom;
use yoke_core::sheets::{gauge_sheet, groove_sheet, setup_sheet, thread_sheet, ways_sheet};
use yoke_core::shop::look;
use yoke_core::story::{RecordedAct, story};
use yoke_core::thread::Fit;
use yoke_core::trouble::{JobEvidence, trouble_sheet};
use yoke_core::voice::{LatheKind, Stands, Voice};
use yoke_core::words::Vocabulary;
use yoke_trials::{Chance, SinglePoint, cases, demo_lathe, settled, tried};

/// Places where another unit stands by intent: the same figure in inches beside the text, a dial's or a readout's own figure, a thread's pitch
/// by its name, what the user or the maker named, how a screw or a collar is marked, how a number was worked (in mm, with its symbols).
const BY_INTENT: [&str; 17] = [
    "common",
    "written",
    "inch",
    "rule",
    "reading",
    "dial",
    "side_dial",
    "callout",
    "name",
    "size",
    "pitch_text",
    "pitch",
    "drill_mm",
    "steps_mm",
    "near_sizes",
    "workings",
    "change",
];

/// Every sentence of a document with where it stands; identifiers are no sentences.
fn sentences(node: &Value, at: &str, out: &mut Vec<(String, String)>) {
    match node {
        // A drill goes by its name.
        Value::Object(map) if map.get("says").and_then(Value::as_str).is_some_and(|says| says == "Drill" || says == "Drill first") => {}
        Value::Object(map) => {
            for (key, value) in map.iter().filter(|(key, _)| !BY_INTENT.contains(&key.as_str())) {
                match value {
                    // A word on a drawing is said, alone as it stands.
                    Value::String(text) if key == "label" || key == "says" => out.push((format!("{at}/{key}"), text.clone())),
                    _ => sentences(value, &format!("{at}/{key}"), out),
                }
            }
        }
        Value::Array(list) => list.iter().enumerate().for_each(|(i, v)| sentences(v, &format!("{at}/{i}"), out)),
        Value::String(text) if text.contains(' ') => out.push((at.to_owned(), text.clone())),
        _ => {}
    }
}

/// Units that follow a figure in a sentence.
fn units(text: &str) -> BTreeSet<&str> {
    let words: Vec<&str> = text.split([' ', '\u{a0}']).collect();
    let figure = |w: &str| {
        let w = w.trim_start_matches(['(', '\u{2212}', '+', '\u{201c}']);
        w.starts_with(|c: char| c.is_ascii_digit()) && !w.ends_with('\u{b0}')
    };
    let bare = |w: &'_ str| -> usize { w.trim_end_matches(['.', ',', ';', ':', ')', '?', '\u{201d}']).len() };
    // "1.2 in limits" is none: what follows an inch is no limit, and a whole number of things is in something.
    let limits = |i: usize| words.get(i + 2).is_some_and(|w| w.starts_with("limits"));
    words.windows(2).enumerate().filter(|(i, w)| figure(w[0]) && !limits(*i)).map(|(_, w)| &w[1][..bare(w[1])]).collect()
}

const METRIC: [&str; 6] = ["mm", "\u{b5}m", "mm\u{b2}", "m/min", "N", "cm"];
const INCH: [&str; 5] = ["in", "sq", "ft/min", "lbf", "TPI"];

/// What is wrong with a sentence in a voice.
fn wrong(text: &str, voice: Voice) -> Option<String> {
    // What a dial shows stands in its own unit, in brackets behind its divisions.
    let spoken =
        text.split(" div (").enumerate().map(|(i, part)| if i == 0 { part } else { part.split_once(')').map_or("", |p| p.1) }).collect::<Vec<_>>().join(" div");
    let units = units(&spoken);
    // A thread's own pitch, a lathe's screw and a metric drill are names, and stand in the text of their sentences.
    let named = |u: &str| {
        ["pitch", "Pitch", "drill", "Drill", "leadscrew", "TPI", "that serve", "Mark it", " a division", "-hand, "].iter().any(|w| text.contains(w))
            && ["mm", "in", "TPI"].contains(&u)
    };
    let others: &[&str] = if voice.unit == LengthUnit::In { &METRIC } else { &INCH };
    if let Some(unit) = others.iter().find(|u| units.contains(**u) && !named(u)) {
        return Some(format!("speaks in {unit}"));
    }
    let words: BTreeSet<String> = text.split(|c: char| !c.is_alphanumeric() && c != '-').map(str::to_lowercase).collect();
    let foreign: &[&str] = match voice.words {
        Vocabulary::American => &["centre", "centres", "clasp", "grey", "colour", "colours", "spanner", "vice", "metre"],
        // Heard in `sentences.rs`.
        Vocabulary::German => &[],
        Vocabulary::British => &["bit", "bits", "center", "centers", "half-nut", "gray", "color", "colors", "wrench", "vise", "meter"],
    };
    if let Some(word) = foreign.iter().find(|w| words.contains(**w)) {
        return Some(format!("says {word}"));
    }
    let slide = text.to_lowercase().contains("top slide") || text.contains("indicator dial");
    let compound = words.contains("compound") && !["compound stud", "compound train", "one compound", "compounds"].iter().any(|w| text.contains(w));
    match voice.words {
        Vocabulary::American if slide => Some("says top slide".into()),
        Vocabulary::British if compound => Some("says compound".into()),
        _ if text.contains(['{', '}']) => Some("holds a brace".into()),
        _ if text.contains("  ") || text.contains("NaN") => Some("is put together wrongly".into()),
        _ => None,
    }
}

/// Acts of a run cut to its end, gone wrong in every way.
fn acts(run: &yoke_core::run::RunPlan) -> Vec<Act> {
    let read = |mm: f64| ActKind::Measured(Measured { pitch_diameter_mm: Some(mm), ..Measured::default() });
    let mut kinds: Vec<ActKind> = run.passes.iter().map(|p| ActKind::PassDone { n: p.n, radial_mm: p.radial_mm }).collect();
    let [low, high] = run.limits_mm;
    kinds.extend([read(high + 0.04), read(f64::midpoint(low, high)), tried(Fit::WontEnter), tried(Fit::Enters { turns: 1.5 })]);
    kinds.extend([ActKind::Lost {}, ActKind::Stopped {}, ActKind::Resumed {}, tried(Fit::Shakes { shake_mm: 0.4 })]);
    kinds.push(ActKind::Trouble { symptom: Symptom::NutOpened, cause: "opened".into(), found: true });
    kinds.into_iter().enumerate().map(|(i, kind)| Act { id: format!("a{i}"), kind }).collect()
}

/// Everything that is said of a job in a voice, as JSON: its plan first.
pub(crate) fn everything(request: &Value, voice: Voice) -> Result<Vec<(&'static str, Value)>, Vec<Fault>> {
    let mut request = request.clone();
    (request["unit"], request["words"], request["stands"]) = (json!(voice.unit), json!(voice.words), json!(voice.stands));
    let profile: LatheProfile = serde_json::from_value(request["lathe"].clone()).unwrap_or_default();
    let (facts, lathe, kit) = settled(request)?;
    let plan = reckon(&facts, &lathe, &kit);
    let acts = acts(&plan.run);
    let run = fold(&plan.run, &acts, voice);
    let told: Vec<RecordedAct> =
        acts.iter().map(|act| RecordedAct { act: act.clone(), happened: "2026-05-04T09:00:00Z".into(), source: "typed".into() }).collect();
    let member = Member { job: "one", title: "", plan: &plan, facts: &facts, lathe: &lathe, apart: false, mate: None, proven: false };
    let route = propose(&[member], voice);
    let json = |it: serde_json::Result<Value>| it.unwrap_or_default();
    Ok(vec![
        ("plan", json(serde_json::to_value(&plan))),
        ("setup", json(serde_json::to_value(setup_sheet(&plan.point(), &facts, &lathe)))),
        ("ways", json(serde_json::to_value(ways_sheet(&plan.point(), &facts)))),
        ("groove", json(serde_json::to_value(groove_sheet(&plan.point())))),
        ("thread", json(serde_json::to_value(thread_sheet(&plan)))),
        ("gauge", json(serde_json::to_value(gauge_sheet(&plan, &kit)))),
        ("bit", json(serde_json::to_value(bit_sheet(&plan.thread, plan.point().bit, plan.point().cut.radial_mm.value, voice)))),
        ("trouble", json(serde_json::to_value(trouble_sheet(&JobEvidence::of((plan.point(), &facts, &lathe), Some(&run), &acts))))),
        ("run", json(serde_json::to_value(&run))),
        ("story", json(serde_json::to_value(story(&plan.run, &told, voice)))),
        ("papers", json(serde_json::to_value(papers(&member)))),
        ("lathe", json(serde_json::to_value(look(&profile, voice).unwrap_or_else(|f| panic!("{f:?}"))))),
        ("route", json(serde_json::to_value(said(&route, &[member], &BTreeMap::new(), &[], voice)))),
    ])
}

/// Figures of a document: what is worked, whatever is said of it.
fn figures(node: &Value, at: &str, out: &mut Vec<(String, f64)>) {
    match node {
        // Text of another length stands elsewhere on a drawing: what it shows, and what it measures, are the same.
        Value::Object(map) if map.contains_key("letter_mm") && map.contains_key("shapes") => {
            let placed = |s: &&Value| s["role"].as_str().is_some_and(|r| r.starts_with("word") || r == "line.leader");
            for (i, shape) in map["shapes"].as_array().into_iter().flatten().filter(|s| !placed(s)).enumerate() {
                figures(shape, &format!("{at}/shapes/{i}"), out);
            }
            for (i, d) in map["dimensions"].as_array().into_iter().flatten().enumerate() {
                ["figure", "from", "to"].iter().for_each(|part| figures(&d[part], &format!("{at}/dimensions/{i}/{part}"), out));
            }
        }
        // A cure rounds what it asks for as the unit spoken does.
        Value::Object(map) => map.iter().filter(|(k, _)| *k != "change").for_each(|(k, v)| figures(v, &format!("{at}/{k}"), out)),
        Value::Array(list) => list.iter().enumerate().for_each(|(i, v)| figures(v, &format!("{at}/{i}"), out)),
        Value::Number(n) => out.push((at.to_owned(), n.as_f64().unwrap_or(f64::NAN))),
        _ => {}
    }
}

const VOICES: [Voice; 4] = [
    Voice { unit: LengthUnit::Mm, words: Vocabulary::American, stands: Stands::Desk, lathe: LatheKind::USUAL },
    Voice { unit: LengthUnit::In, words: Vocabulary::American, stands: Stands::Desk, lathe: LatheKind::USUAL },
    Voice { unit: LengthUnit::Mm, words: Vocabulary::British, stands: Stands::Desk, lathe: LatheKind::USUAL },
    Voice { unit: LengthUnit::In, words: Vocabulary::British, stands: Stands::Desk, lathe: LatheKind::USUAL },
];

pub(crate) fn yard() -> Vec<Value> {
    let lathe = demo_lathe;
    vec![
        json!({"thread": {"callout": "1-1/4-5 Acme LH", "length_mm": 420}, "lathe": lathe(0)}),
        json!({"thread": {"callout": "1-1/4-5 Acme LH", "side": "internal", "length_mm": 50.8}, "lathe": lathe(0), "blank": {"material": "cast_iron", "outside_mm": 60}, "mate": {"made_pitch_diameter_mm": 28.8}}),
        json!({"thread": {"callout": "M20x2.5-6g", "length_mm": 60}, "blank": {"shoulder": true, "relief_width_mm": 4}, "lathe": lathe(0)}),
        json!({"thread": {"callout": "7/8-9 UNC-2A", "length_mm": 44.45}, "blank": {"shoulder": true, "runout_mm": 0.2}, "lathe": lathe(0)}),
        json!({"thread": {"callout": "M36x1.5-6H", "length_mm": 18}, "blank": {"shoulder": true, "material": "brass", "end": "plunged_ring"}, "lathe": lathe(1)}),
        json!({"thread": {"callout": "G1-1/4 B", "length_mm": 22}, "lathe": lathe(1), "bit": {"tip_radius_mm": 0.3}}),
        json!({"thread": {"callout": "Tr 28x5", "length_mm": 120, "starts": 2}, "lathe": lathe(2), "blank": {"support": "centre", "parallel": {"free_mm": 28.0, "headstock_mm": 28.05, "apart_mm": 100}}}),
        json!({"thread": {"callout": "M16x2 LH", "length_mm": 40}, "lathe": lathe(1), "setup": {"ending": "closed", "runout_mm": 5}}),
    ]
}

/// Names in the drawer of the yard, and of one that is not in it.
fn tools() -> Vec<String> {
    let kit = Kit::alder_reach();
    let names = kit.bits.iter().map(|b| &b.name).chain(kit.inserts.iter().map(|i| &i.name)).chain(kit.micrometers.iter().map(|m| &m.name));
    names.cloned().chain(["Acme bar 12 mm", "no such bit"].map(str::to_owned)).collect()
}

#[test]
fn every_sentence_is_in_the_unit_and_the_words_asked() {
    let mut chance = Chance(19);
    let jobs: Vec<Value> = yard().into_iter().chain((0..cases(1000)).map(|_| job(&mut chance))).collect();
    // What the owner named keeps its name.
    let owned = tools();
    let mut amiss = BTreeMap::new();
    let mut heard = 0_usize;
    for (n, request) in jobs.iter().enumerate() {
        let mut first: Option<Vec<(String, f64)>> = None;
        // The yard in every voice, the others in the two furthest apart.
        for voice in VOICES.into_iter().enumerate().filter(|(i, _)| n < yard().len() || [0, 3].contains(i)).map(|(_, voice)| voice) {
            let documents = everything(request, voice).unwrap_or_else(|faults| vec![("refused", serde_json::to_value(faults).unwrap_or_default())]);
            for (name, document) in &documents {
                let mut said = Vec::new();
                sentences(document, name, &mut said);
                heard += said.len();
                for (at, mut text) in said.into_iter().filter(|(at, _)| !at.starts_with("lathe/drawing")) {
                    for name in &owned {
                        text = text.replace(name.as_str(), "it");
                    }
                    if let Some(why) = wrong(&text, voice) {
                        amiss.entry((why, at.trim_end_matches(|c: char| c.is_ascii_digit() || c == '/').to_owned())).or_insert((text, request.to_string()));
                    }
                }
            }
            let mut plain = Vec::new();
            if let Some((_, plan)) = documents.first().filter(|(name, _)| *name == "plan") {
                figures(plan, "", &mut plain);
            }
            match &first {
                Some(first) => assert_eq!(first, &plain, "the numbers are the same in every voice: {request}"),
                None => first = Some(plain),
            }
        }
    }
    assert!(heard > 100_000, "{heard} sentences");
    let told: Vec<String> = amiss.iter().map(|((why, at), (text, job))| format!("{why} at {at}: \u{201c}{text}\u{201d}\n    {job}")).collect();
    assert!(told.is_empty(), "{} kinds of sentence amiss:\n{}", told.len(), told.join("\n"));
}

#[test]
fn the_ear_hears_what_is_amiss() {
    let [mm, inch, ..] = VOICES;
    let british = VOICES[3];
    for (text, voice) in [
        ("It lets in 12.386 mm.", inch),
        ("The error takes 13 \u{b5}m of it.", inch),
        ("It lets in 0.4876 in.", mm),
        ("Open the half-nut.", british),
        ("Lean the compound over.", british),
        ("A centre holds it.", inch),
        ("Set the top slide.", mm),
        ("On {center}.", mm),
    ] {
        assert!(wrong(text, voice).is_some(), "{text}");
    }
    for (text, voice) in
        [("In limits, 0.012 mm above the low limit.", mm), ("3 of 12 in limits.", mm), ("It lets in 0.4876 in.", inch), ("Open the clasp nut.", british)]
    {
        assert_eq!(wrong(text, voice), None, "{text}");
    }
}

/// Where the tool stands and which way it goes, by vectors: y away from you, the work's axis at 0.
#[test]
fn in_and_out_follow_side_wall_way_and_hand() {
    let mut heard = BTreeSet::new();
    for (side, wall, rear) in [("external", None, false), ("external", None, true), ("internal", Some("near"), false), ("internal", Some("far"), false)] {
        for way in ["toward", "away"] {
            for hand in ["right", "left"] {
                for ending in ["dial", "closed", "same_mark", "chalk_marks", "hand"] {
                    let mut lathe = demo_lathe(0);
                    lathe["post"] = json!(if rear { "rear" } else { "front" });
                    let mut request = json!({"thread": {"callout": "3/4-10 UNC", "side": side, "hand": hand, "length_mm": 20}, "lathe": lathe,
                        "setup": {"way": way, "ending": ending}, "bit": {"body_ahead_mm": 2}});
                    if let Some(wall) = wall {
                        request["setup"]["wall"] = json!(wall);
                    }
                    let (facts, lathe, kit) = settled(request.clone()).unwrap_or_else(|f| panic!("{f:?}"));
                    let plan = reckon(&facts, &lathe, &kit);
                    // Outside the tool stands on its post's side of the work; inside it stands within the wall it cuts.
                    let tool = if side == "external" {
                        if rear { 1.0 } else { -1.0 }
                    } else if wall == Some("far") {
                        0.8
                    } else {
                        -0.8
                    };
                    let cut_to: f64 = if side == "external" { 0.9 * tool } else { 1.25 * tool };
                    let feeds: f64 = cut_to - tool;
                    let radially = if cut_to.abs() < f64::abs(tool) { "in" } else { "out" };
                    let hand_goes = if feeds > 0.0 { "away from you" } else { "toward you" };
                    let back = if feeds > 0.0 { "toward you" } else { "away from you" };
                    let cycle = &plan.run.cycle;
                    let set = &cycle.first().expect("a cycle has a first state").says;
                    assert!(set.starts_with(&format!("Wind {radially}")), "{set}: {request}");
                    // The usual way needs no telling; every other is told.
                    assert!(set.contains(hand_goes) || (side == "external" && !rear && !set.contains("you")), "{set}: {request}");
                    let clears = if radially == "in" { "out" } else { "in" };
                    let clear = cycle.iter().map(|p| p.says.as_str()).find(|s| s.contains("raw the tool")).expect("every cycle clears the tool");
                    assert!(clear.contains(&format!("tool {clears}")) || clear.contains(&format!("straight {clears}")), "{clear}: {request}");
                    assert!(!clear.contains("you") || clear.contains(back), "{clear}: {request}");
                    assert_eq!(clear.contains("you"), set.contains("you"), "both or neither say which way");
                    // The carriage goes the way the set-up says.
                    let toward = plan.point().setup.carriage == yoke_core::direction::Carriage::TowardHeadstock;
                    let says: String = cycle.iter().map(|p| p.says.as_str()).collect::<Vec<_>>().join(" ");
                    assert!(
                        says.contains(if toward { "toward the headstock" } else { "toward the tailstock" }) || plan.point().setup.ending != facts.setup.ending,
                        "{says}"
                    );
                    heard.insert((set.clone(), clear.to_owned()));
                }
            }
        }
    }
    assert!(heard.len() >= 8, "{heard:?}");
}
