//! Faults.

use serde_json::json;
use yoke_core::faults::read_json;
use yoke_core::job::PlanRequest;

#[test]
fn all_faults_come_together_each_with_its_pointer() {
    let (read, faults) = read_json::<PlanRequest>(json!({
        "thread": {"callout": 5, "lenght_mm": 3},
        "cut": {"style": "sideways", "passes": 2.5},
        "lathe": {"gears": [20, 2.5, 30]},
        "blank": {"diameter_mm": 19.9}
    }));
    let pointers: Vec<&str> = faults.iter().map(|f| f.pointer.as_str()).collect();
    for wanted in ["/thread/callout", "/thread/lenght_mm", "/cut/style", "/cut/passes", "/lathe/gears/1"] {
        assert!(pointers.contains(&wanted), "{wanted} not in {faults:?}");
    }
    assert_eq!(read.blank.diameter_mm, Some(19.9), "the sound part is kept");
}

#[test]
fn what_is_no_object_is_one_fault() {
    for odd in [json!(null), json!([1]), json!("x"), json!(3)] {
        assert_eq!(read_json::<PlanRequest>(odd).1.len(), 1);
    }
}
