//! Where the figures of a lathe came from, kept through every change.

use serde_json::Value;

/// A field by its name, `dial.teeth`, in a lathe as it is kept.
fn field<'a>(lathe: &'a Value, name: &str) -> Option<&'a Value> {
    name.split('.').try_fold(lathe, |at, key| at.get(key))
}

/// After a change: where a figure came from stands as long as the figure does, or was told anew with it. A figure told otherwise is simply told.
pub fn keep_sources(before: &Value, after: &mut Value) {
    let Some(sources) = after.get("sources").and_then(Value::as_object) else { return };
    let stands = |name: &str, source: &Value| {
        let is = field(after, name).filter(|v| !v.is_null());
        let anew = before.get("sources").and_then(|s| s.get(name)) != Some(source);
        is.is_some() && (anew || is == field(before, name))
    };
    let kept: serde_json::Map<String, Value> = sources.iter().filter(|(name, source)| stands(name, source)).map(|(n, s)| (n.clone(), s.clone())).collect();
    if let Value::Object(map) = after {
        if kept.is_empty() { _ = map.remove("sources") } else { _ = map.insert("sources".into(), Value::Object(kept)) }
    }
}
