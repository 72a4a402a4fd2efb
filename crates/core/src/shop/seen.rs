//! Trains that were on a lathe are remembered: on an arm nobody measured, what hung once hangs again.

use crate::job::MOST_SEEN;
use serde_json::{Value, json};

/// The gears of a train on the lathe, where both sides are told.
fn on(lathe: &Value) -> Option<(&Value, &Value)> {
    let side = |name: &str| lathe["mounted"].get(name).filter(|list| list.as_array().is_some_and(|l| !l.is_empty()));
    side("drivers").zip(side("driven"))
}

/// After a change: the train that was on and the one that is are trains that were seen to hang, whatever was thought of them before.
pub fn remember_trains(before: &Value, after: &mut Value) {
    let mut seen: Vec<Value> = after.get("seen").and_then(Value::as_array).cloned().unwrap_or_default();
    let told = seen.clone();
    let anew = on(before) != on(after);
    let trains = on(before).into_iter().chain(on(after)).map(|(drivers, driven)| json!({"drivers": drivers, "driven": driven, "hangs": true}));
    for train in trains.collect::<Vec<_>>() {
        let same = |s: &Value| s["drivers"] == train["drivers"] && s["driven"] == train["driven"];
        let known = seen.iter().any(same);
        // One said not to mesh and put on after all does.
        if !known || anew && Some((&train["drivers"], &train["driven"])) == on(after) {
            seen.retain(|s| !same(s));
            seen.push(train);
        }
    }
    // The oldest are let go.
    let over = seen.len().saturating_sub(MOST_SEEN);
    seen.drain(..over);
    if seen != told
        && let Value::Object(map) = after
    {
        _ = map.insert("seen".into(), Value::Array(seen));
    }
}
