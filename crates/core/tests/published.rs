//! Limits against values as printed, and as recalled: metric exactly, inch to the places tables give.
#![allow(missing_docs, clippy::expect_used, clippy::unwrap_used, clippy::panic)]

use serde::Deserialize;
use serde_json::{Value, json};
use yoke_core::job::{PlanRequest, read_json, settle};
use yoke_core::plan::plan;

#[derive(Deserialize)]
struct Row {
    callout: String,
    member: String,
    quantity: String,
    value: f64,
    unit: String,
    source: String,
}

fn planned(callout: &str) -> Value {
    let (request, faults) = read_json::<PlanRequest>(json!({ "thread": {"callout": callout} }));
    let (job, lathe, kit) = settle(&request, None, faults).expect(callout);
    serde_json::to_value(plan(&job, &lathe, &kit)).unwrap()
}

/// Every row of a table of values as printed, against the plan; gives the rows and those that differ.
fn held_to(table: &str) -> (Vec<Row>, Vec<String>) {
    let rows: Vec<Row> = csv::Reader::from_path(table).unwrap().into_deserialize().map(Result::unwrap).collect();
    let mut differ = Vec::new();
    for row in &rows {
        let plan = planned(&row.callout);
        let (size, end) = row.quantity.split_once('_').unwrap();
        let got = plan.pointer(&format!("/thread/{}/{size}_mm/{end}/value", row.member)).and_then(Value::as_f64);
        let got = got.unwrap_or_else(|| panic!("{} {} {} missing", row.callout, row.member, row.quantity));
        let (got, slack) = match row.unit.as_str() {
            // Tables of the Unified minor diameter print three places.
            "in" => (got / 25.4, if size == "minor" && row.source == "ASME B1.1" { 5.0e-4 } else { 0.5e-4 }),
            _ => (got, 1e-9),
        };
        if (got - row.value).abs() > slack + 1e-9 {
            differ.push(format!("{} {} {}: {got} but printed {} {}", row.callout, row.member, row.quantity, row.value, row.unit));
        }
    }
    (rows, differ)
}

#[test]
fn every_published_value_agrees() {
    let (rows, differ) = held_to("data/published.csv");
    assert_eq!(rows.len(), 152);
    assert!(differ.is_empty(), "{differ:#?}");
}

#[test]
fn every_recalled_value_agrees() {
    let (rows, differ) = held_to("data/recalled.csv");
    assert!(rows.len() >= 8 * 8 && rows.iter().all(|r| r.source.starts_with("recalled")));
    assert!(differ.is_empty(), "{differ:#?}");
}

#[test]
fn both_members_of_one_callout_are_those_of_its_mate_alone() {
    for (screw, nut) in [("M20-6g", "M20-6H"), ("7/8-9 UNC-2A", "7/8-9 UNC-2B"), ("M3-6g", "M3-6H"), ("#10-32 UNF-2A", "#10-32 UNF-2B")] {
        let (from_screw, from_nut) = (planned(screw), planned(nut));
        for limit in ["pitch_mm/min", "pitch_mm/max"] {
            for member in ["external", "internal"] {
                let at = format!("/thread/{member}/{limit}/value");
                assert_eq!(from_screw.pointer(&at), from_nut.pointer(&at), "{screw} {at}");
            }
        }
    }
}
