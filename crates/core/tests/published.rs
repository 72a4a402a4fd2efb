//! Limits against values as printed: metric exactly, inch to the places tables give.
#![allow(missing_docs, clippy::expect_used, clippy::unwrap_used)]

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

#[test]
fn every_published_value_of_the_two_systems_agrees() {
    let rows: Vec<Row> = csv::Reader::from_path("data/published.csv").unwrap().into_deserialize().map(Result::unwrap).collect();
    let ours: Vec<&Row> = rows.iter().filter(|r| r.source == "ASME B1.1" || r.source == "ISO 965-1").collect();
    assert_eq!(ours.len(), 112, "the table's rows for the two systems");
    for row in ours {
        let plan = planned(&row.callout);
        let (size, end) = row.quantity.split_once('_').unwrap();
        let got = plan.pointer(&format!("/thread/{}/{size}_mm/{end}/value", row.member)).and_then(Value::as_f64);
        let got = got.unwrap_or_else(|| panic!("{} {} {} missing", row.callout, row.member, row.quantity));
        let (got, slack) = match row.unit.as_str() {
            "in" => (got / 25.4, if size == "minor" { 5.0e-4 } else { 0.5e-4 }),
            _ => (got, 1e-9),
        };
        assert!((got - row.value).abs() <= slack + 1e-9, "{} {} {}: {got} but published {}", row.callout, row.member, row.quantity, row.value);
    }
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
