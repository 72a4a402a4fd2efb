//! Figures and words of every drawing: none on another, on a line or across an edge, none left out or out of its frame, none too small.

use crate::every_cure::job;
use crate::one_voice::{everything, yard};
use serde_json::{Value, json};
use std::collections::BTreeMap;
use yoke_core::quantity::LengthUnit;
use yoke_core::voice::{Stands, Voice};
use yoke_trials::{Chance, cases};

/// A letter is this wide at the least, of its height: the narrowest face there is.
const NARROW: f64 = 0.42;
/// Height of a figure, of the letter's.
const FIGURE_HIGH: f64 = 0.68;

fn number(v: &Value) -> f64 {
    v.as_f64().unwrap_or(f64::NAN)
}

fn points(v: &Value) -> Vec<[f64; 2]> {
    v.as_array().into_iter().flatten().map(|p| [number(&p[0]), number(&p[1])]).collect()
}

/// Every drawing of a document, with where it stands.
fn drawings<'a>(node: &'a Value, at: &str, out: &mut Vec<(String, &'a Value)>) {
    match node {
        Value::Object(map) if map.contains_key("letter_mm") && map.contains_key("shapes") => out.push((at.to_owned(), node)),
        Value::Object(map) => map.iter().for_each(|(k, v)| drawings(v, &format!("{at}/{k}"), out)),
        Value::Array(list) => list.iter().for_each(|v| drawings(v, at, out)),
        _ => {}
    }
}

struct Label {
    text: String,
    /// Left, bottom, right, top.
    box_mm: [f64; 4],
}

fn label(at: &Value, text: &str, letter: f64) -> Label {
    let (x, y) = (number(&at[0]), number(&at[1]));
    #[allow(clippy::cast_precision_loss)] // a word
    let (w, h) = (text.chars().count() as f64 * letter * NARROW / 2.0, letter * FIGURE_HIGH / 2.0);
    Label { text: text.to_owned(), box_mm: [x - w, y - h, x + w, y + h] }
}

fn labels(drawing: &Value) -> Vec<Label> {
    let letter = number(&drawing["letter_mm"]);
    let words = drawing["shapes"].as_array().into_iter().flatten().filter(|s| s["role"].as_str().is_some_and(|r| r.starts_with("word")));
    let mut list: Vec<Label> = words.map(|s| label(&s["line"][0], s["label"].as_str().unwrap_or(""), s["letter_mm"].as_f64().unwrap_or(letter))).collect();
    for d in drawing["dimensions"].as_array().into_iter().flatten() {
        list.push(label(&d["at"], &format!("{}{}", d["sign"].as_str().unwrap_or(""), d["figure"]["text"].as_str().unwrap_or("")), letter));
    }
    list
}

/// Points along every line of a drawing, near enough that no figure fits between two.
fn ink(drawing: &Value) -> Vec<[f64; 2]> {
    let step = number(&drawing["letter_mm"]) * 0.2;
    let mut lines: Vec<Vec<[f64; 2]>> = Vec::new();
    for s in drawing["shapes"].as_array().into_iter().flatten().filter(|s| !s["role"].as_str().is_some_and(|r| r.starts_with("word"))) {
        if let Some(c) = s["circle"].as_object() {
            let (x, y, r) = (number(&c["x"]), number(&c["y"]), number(&c["r"]));
            lines.push((0..=120).map(|i| f64::from(i) * std::f64::consts::TAU / 120.0).map(|a| [x + r * a.cos(), y + r * a.sin()]).collect());
            continue;
        }
        let mut line = points(&s["line"]);
        if s["closed"] == true {
            line.extend(line.first().copied());
        }
        lines.push(line);
    }
    for d in drawing["dimensions"].as_array().into_iter().flatten() {
        lines.extend(d["lines"].as_array().into_iter().flatten().map(points));
    }
    let along = |pair: &[[f64; 2]]| {
        let [a, b] = [pair[0], pair[1]];
        let n = ((b[0] - a[0]).hypot(b[1] - a[1]) / step).ceil().clamp(1.0, 4000.0);
        #[allow(clippy::cast_possible_truncation, clippy::cast_sign_loss)] // clamped
        let n = n as u32;
        (0..=n).map(move |i| f64::from(i) / f64::from(n)).map(move |t| [a[0] + t * (b[0] - a[0]), a[1] + t * (b[1] - a[1])]).collect::<Vec<_>>()
    };
    lines.iter().flat_map(|line| line.windows(2).flat_map(along)).collect()
}

/// What is wrong with a drawing's text.
fn amiss(drawing: &Value, share: [f64; 2]) -> Vec<String> {
    let (labels, ink) = (labels(drawing), ink(drawing));
    let bounds: Vec<f64> = drawing["bounds"].as_array().into_iter().flatten().map(number).collect();
    let letter = number(&drawing["letter_mm"]);
    let mut list = Vec::new();
    for (i, l) in labels.iter().enumerate() {
        let [left, bottom, right, top] = l.box_mm;
        if l.text.trim().is_empty() || l.text.contains("NaN") {
            list.push(format!("says “{}”", l.text));
        }
        if !(left >= bounds[0] && bottom >= bounds[1] && right <= bounds[2] && top <= bounds[3]) {
            list.push(format!("“{}” is out of its frame", l.text));
        }
        if let Some(on) = labels[..i].iter().find(|o| left < o.box_mm[2] && o.box_mm[0] < right && bottom < o.box_mm[3] && o.box_mm[1] < top) {
            list.push(format!("“{}” stands on “{}”", l.text, on.text));
        }
        if ink.iter().any(|[x, y]| *x > left && *x < right && *y > bottom && *y < top) {
            list.push(format!("a line runs through “{}”", l.text));
        }
    }
    // Twelve pixels on the smallest frame it is shown in, twenty at the bench.
    let least = ((bounds[2] - bounds[0]) * share[0]).max((bounds[3] - bounds[1]) * share[1]);
    if !labels.is_empty() && letter < least * 0.999 {
        list.push(format!("letters of {letter}, {least} wanted"));
    }
    list
}

#[test]
fn no_text_of_any_drawing_stands_on_anything() {
    let mut chance = Chance(20);
    let jobs = yard().into_iter().chain((0..cases(1200)).map(|_| job(&mut chance)));
    let (mut found, mut seen): (BTreeMap<(String, String), String>, usize) = (BTreeMap::new(), 0);
    for (i, request) in jobs.enumerate() {
        let bench = if i % 2 == 0 { LengthUnit::Mm } else { LengthUnit::In };
        for (unit, stands) in
            [(LengthUnit::Mm, Stands::Desk), (LengthUnit::In, Stands::Desk), (bench, if i % 4 < 2 { Stands::Bench } else { Stands::BenchWide })]
        {
            let Ok(documents) = everything(&request, Voice { unit, stands, ..Voice::default() }) else { continue };
            for (name, document) in &documents {
                let mut all = Vec::new();
                drawings(document, name, &mut all);
                seen += all.len();
                for (at, drawing) in all {
                    let chart = ["dial/drawing", "sizes", "chart", "styles/drawing"].iter().any(|c| at.ends_with(c)) || at.starts_with("ways");
                    let share = match (stands, chart) {
                        (Stands::Desk, false) => [1.0 / 50.5, 1.0 / 35.5],
                        (Stands::Desk, true) => [1.0 / 40.0, 1.0 / 15.9],
                        (Stands::Bench, false) => [1.0 / 32.0, 1.0 / 19.0],
                        (Stands::Bench, true) => [1.0 / 15.7, 1.0 / 8.3],
                        (Stands::BenchWide, false) => [1.0 / 44.0, 1.0 / 23.5],
                        (Stands::BenchWide, true) => [1.0 / 15.7, 1.0 / 9.0],
                    };
                    for why in amiss(drawing, share) {
                        // Of its kind one is enough.
                        let kind: String = why.chars().filter(|c| !c.is_ascii_digit()).collect();
                        found.entry((at.clone(), kind)).or_insert_with(|| format!("{why}\n    {request}"));
                    }
                }
            }
        }
    }
    assert!(seen > 2_000, "{seen} drawings");
    let list: Vec<String> = found.iter().map(|((at, _), why)| format!("{at}: {why}")).collect();
    assert!(list.is_empty(), "{} kinds:\n{}", list.len(), list.join("\n"));
}

#[test]
fn what_is_amiss_is_seen() {
    let drawing = |at: [f64; 2], other: [f64; 2], line: [[f64; 2]; 2]| json!({"letter_mm": 2.0, "bounds": [0, 0, 40, 30], "dimensions": [{"at": at, "figure": {"text": "12.5 mm"}, "lines": [line]}], "shapes": [{"role": "word", "line": [other], "label": "stop"}]});
    let share = [1.0 / 50.0, 1.0 / 35.0];
    assert!(amiss(&drawing([20.0, 10.0], [20.0, 20.0], [[5.0, 5.0], [35.0, 5.0]]), share).is_empty());
    assert!(amiss(&drawing([20.0, 10.0], [22.0, 10.5], [[5.0, 5.0], [35.0, 5.0]]), share)[0].contains("stands on"));
    assert!(amiss(&drawing([20.0, 10.0], [20.0, 20.0], [[5.0, 10.0], [35.0, 10.0]]), share)[0].contains("a line runs"));
    assert!(amiss(&drawing([38.0, 10.0], [20.0, 20.0], [[5.0, 5.0], [35.0, 5.0]]), share)[0].contains("out of its frame"));
    assert!(amiss(&drawing([20.0, 10.0], [20.0, 20.0], [[5.0, 5.0], [35.0, 5.0]]), [1.0 / 10.0, 1.0 / 35.0])[0].contains("letters of"));
}
